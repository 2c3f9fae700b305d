"""What an administrator runs is built anew: closed forms, strings that read the same everywhere, and nothing else."""

from __future__ import annotations

import time
from pathlib import Path

import psycopg
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from sospes.engines.leave import Leave
from sospes.engines.postgresql.guard import leave_of
from sospes.engines.postgresql.rebuilding import rebuilt
from sospes.formats.opening import Opening, open_backup
from sospes.model.entries import Entry, Name
from sospes.model.kinds import Kind
from tests.backups import copy_table, postgresql
from tests.conftest import DUMPS, sospes
from tests.servers import PostgresServer

TIDE = copy_table("public.tide", [("id", "integer")], [["1"]])


def _entry(kind: str, text: str) -> Entry:
    return Entry(kind=Kind(kind), name=Name(None, None, "x"), definition=text.encode())


def _anew(kind: str, text: str) -> str | None:
    found = rebuilt(_entry(kind, text))
    return None if found is None else found.decode()


@pytest.mark.parametrize(
    ("kind", "text", "anew"),
    [
        ("comment", "COMMENT ON TABLE a.\"b\"\"c\" IS 'it''s';", "COMMENT ON TABLE a . \"b\"\"c\" IS 'it''s'"),
        ("comment", "COMMENT ON COLUMN a.b.c IS NULL;", "COMMENT ON COLUMN a . b . c IS NULL"),
        ("comment", r"COMMENT ON TYPE t IS 'a\b';", r"COMMENT ON TYPE t IS E'a\\b'"),
        ("comment", r"COMMENT ON TYPE t IS E'a\\b\'c\n';", "COMMENT ON TYPE t IS E'a\\\\b''c\n'"),
        ("comment", "COMMENT ON TYPE t IS $x$it's$x$;", "COMMENT ON TYPE t IS 'it''s'"),
        ("comment", "COMMENT ON OPERATOR p.<@> (integer, a.b) IS 'x';",
         "COMMENT ON OPERATOR p . <@> ( integer , a . b ) IS 'x'"),
        ("comment", "COMMENT ON FUNCTION p.f(a integer, VARIADIC b text[]) IS 'x';",
         "COMMENT ON FUNCTION p . f ( a integer , VARIADIC b text [ ] ) IS 'x'"),
        ("comment", "COMMENT ON CAST (a.b AS character varying) IS 'x';",
         "COMMENT ON CAST ( a . b AS character varying ) IS 'x'"),
        ("comment", "COMMENT /* ; */ ON -- x\n TABLE a IS 'x';", "COMMENT ON TABLE a IS 'x'"),
        ("ownership", "ALTER TABLE a.b OWNER TO \"x y\";", "ALTER TABLE a . b OWNER TO \"x y\""),
        ("ownership", "ALTER AGGREGATE a.b(integer) OWNER TO x;", "ALTER AGGREGATE a . b ( integer ) OWNER TO x"),
        ("ownership", "ALTER OPERATOR a.=== (integer, NONE) OWNER TO x;",
         "ALTER OPERATOR a . === ( integer , NONE ) OWNER TO x"),
        ("grant", "GRANT SELECT(a),UPDATE(a,b) ON TABLE t TO x WITH GRANT OPTION;",
         "GRANT SELECT ( a ) , UPDATE ( a , b ) ON TABLE t TO x WITH GRANT OPTION"),
        ("grant", "ALTER DEFAULT PRIVILEGES FOR ROLE a IN SCHEMA b GRANT ALL ON TABLES TO PUBLIC;",
         "ALTER DEFAULT PRIVILEGES FOR ROLE a IN SCHEMA b GRANT ALL ON TABLES TO PUBLIC"),
        ("extension", "CREATE EXTENSION IF NOT EXISTS hstore WITH SCHEMA public;",
         "CREATE EXTENSION IF NOT EXISTS hstore WITH SCHEMA public"),
        ("cast", "CREATE CAST (a.b AS numeric(8,2)) WITH FUNCTION a.f(a.b) AS ASSIGNMENT;",
         "CREATE CAST ( a . b AS numeric ( 8 , 2 ) ) WITH FUNCTION a . f ( a . b ) AS ASSIGNMENT"),
        ("server", "CREATE SERVER s FOREIGN DATA WRAPPER postgres_fdw OPTIONS (host 'a''b', port '1');",
         "CREATE SERVER s FOREIGN DATA WRAPPER postgres_fdw OPTIONS ( host 'a''b' , port '1' )"),
        ("operator class", "CREATE OPERATOR CLASS a.c DEFAULT FOR TYPE a.t USING btree FAMILY a.f AS "
         "OPERATOR 1 a.<(a.t,a.t) , FUNCTION 1 (a.t, a.t) a.cmp(a.t,a.t);",
         "CREATE OPERATOR CLASS a . c DEFAULT FOR TYPE a . t USING btree FAMILY a . f AS "
         "OPERATOR 1 a . < ( a . t , a . t ) , FUNCTION 1 ( a . t , a . t ) a . cmp ( a . t , a . t )"),
        ("event trigger", "CREATE EVENT TRIGGER e ON ddl_command_end WHEN TAG IN ('A', 'B') EXECUTE FUNCTION p.f();",
         "CREATE EVENT TRIGGER e ON ddl_command_end WHEN TAG IN ( 'A' , 'B' ) EXECUTE FUNCTION p . f ( )"),
        ("setting", "SET client_encoding = 'LATIN1';", "SET client_encoding = 'LATIN1'"),
    ],
)  # fmt: skip
def test_what_a_program_writes_is_written_again(kind: str, text: str, anew: str) -> None:
    assert _anew(kind, text) == anew


@pytest.mark.parametrize(
    ("kind", "text"),
    [
        ("comment", "COMMENT ON TABLE a IS 'x'; DROP TABLE b;"),
        ("comment", "COMMENT ON DATABASE live IS 'x';"),
        ("comment", "COMMENT ON ROLE a IS 'x';"),
        ("comment", "COMMENT ON TABLESPACE a IS 'x';"),
        ("comment", "COMMENT ON TABLE a IS 'x' || 'y';"),
        ("comment", "COMMENT ON TABLE a IS pg_read_file('x');"),
        ("comment", r"COMMENT ON TABLE a IS E'\x27; DROP';"),
        ("comment", "DROP TABLE a;"),
        ("ownership", "ALTER DATABASE live OWNER TO x;"),
        ("ownership", "ALTER TABLE a OWNER TO x, DISABLE TRIGGER ALL;"),
        ("grant", "GRANT pg_write_server_files TO x;"),
        ("grant", "GRANT a TO b WITH ADMIN OPTION;"),
        ("grant", "GRANT ALL ON DATABASE live TO PUBLIC;"),
        ("grant", "GRANT ALTER SYSTEM ON PARAMETER work_mem TO x;"),
        ("grant", "GRANT CREATE ON TABLESPACE t TO x;"),
        ("extension", "CREATE EXTENSION x CASCADE;"),
        ("extension", "ALTER EXTENSION x ADD FUNCTION f();"),
        ("publication", "CREATE PUBLICATION p FOR TABLE t WHERE (f(a));"),
        ("alteration", "ALTER PUBLICATION p ADD TABLE t WHERE ((a > 1));"),
        ("alteration", "ALTER SYSTEM SET work_mem = 1;"),
        ("alteration", "ALTER ROLE x SUPERUSER;"),
        ("cast", "CREATE CAST (a AS b) WITH FUNCTION f(a) AS ASSIGNMENT; SELECT 1;"),
        ("event trigger", "CREATE EVENT TRIGGER e ON x EXECUTE FUNCTION f('a');"),
        ("setting", "SET session_preload_libraries = 'x';"),
        ("setting", "SET ROLE postgres;"),
        ("setting", "SET session_replication_role = replica;"),
        ("function", "CREATE FUNCTION f() RETURNS int LANGUAGE sql AS 'SELECT 1';"),
        ("view", "CREATE VIEW v AS SELECT 1;"),
        ("table", "CREATE TABLE t (a integer);"),
    ],
)
def test_all_else_is_not(kind: str, text: str) -> None:
    assert _anew(kind, text) is None


@pytest.mark.parametrize(
    "text",
    [
        "GRANT SELECT ON TABLE " + "a, " * 4_000 + "! TO x;",
        "GRANT " + "SELECT(a), " * 2_000 + "! ON TABLE t TO x;",
        "CREATE OPERATOR CLASS c FOR TYPE t USING btree AS " + "STORAGE storage, " * 1_500 + "!;",
        "COMMENT ON FUNCTION f(" + "(a), " * 2_000 + "! IS 'x';",
        "CREATE CAST (" + "a as " * 2_000 + "! AS b) WITHOUT FUNCTION;",
    ],
)
def test_no_form_is_searched_for_ever(text: str) -> None:
    begin = time.perf_counter()
    kinds = ("grant", "operator class", "comment", "cast")
    assert {_anew(kind, text) for kind in kinds} == {None}
    assert time.perf_counter() - begin < 5


def test_all_that_a_program_wrote_is_built_anew() -> None:
    left = []
    for path in sorted(DUMPS.glob("postgresql*")):
        for event in open_backup([path], Opening()).events():
            leave = leave_of(event) if isinstance(event, Entry) else None
            if isinstance(event, Entry) and leave in {Leave.ADMINISTRATOR, Leave.LAST} and rebuilt(event) is None:
                left.append(event.definition[:100])
    assert all(statement.startswith((b"CREATE PUBLICATION", b"ALTER PUBLICATION")) for statement in left)


_TEXT = st.text(st.characters(exclude_characters="\0", exclude_categories=["Cs"]), max_size=30)


@settings(max_examples=60, deadline=None)
@given(_TEXT, _TEXT.filter(bool))
def test_any_comment_on_any_name_comes_through_whole(postgres: PostgresServer, said: str, name: str) -> None:
    name = name.encode()[:60].decode("utf-8", "ignore") or "x"
    quoted = '"' + name.replace('"', '""') + '"'
    forms = ["'" + said.replace("'", "''") + "'"]
    if "\r" not in said:
        forms.append("E'" + said.replace("\\", "\\\\").replace("'", "\\'") + "'")
    for form in forms:
        anew = rebuilt(_entry("comment", f"COMMENT ON TABLE {quoted} IS {form};"))
        assert anew is not None
        for strings in ("on", "off"):
            with psycopg.connect(host=str(postgres.folder), user="postgres", dbname="postgres") as session:
                session.execute(f"SET standard_conforming_strings = {strings}".encode())
                session.execute(f"CREATE TEMP TABLE {quoted} (a int)".encode())
                session.execute(anew)
                query = "SELECT obj_description(oid) FROM pg_class WHERE relname = %s AND relpersistence = 't'"
                assert session.execute(query, (name,)).fetchone() == (said or None,)
                session.rollback()


@pytest.mark.parametrize(
    "text",
    [
        "COMMENT ON TABLE public.tide IS 'x' || pg_read_file('/etc/hostname');\n",
        "GRANT pg_write_server_files TO PUBLIC;\n",
        "ALTER PUBLICATION nothing ADD TABLE public.tide;\n",
        "CREATE CAST (integer AS public.none) WITH FUNCTION public.none(integer);\n",
    ],
)
def test_on_a_private_server_what_has_no_form_is_nobodys_with_rights(
    tmp_path: Path, postgres: PostgresServer, text: str
) -> None:
    path = tmp_path / "night.sql"
    path.write_bytes(postgresql(TIDE + text.encode()))
    run = sospes("rehearse", path, "--side", "private", "--json")
    assert (run.code, "permission denied to" in run.out) in {(0, False), (1, False), (3, False)}
    assert run.document["result"]["tables"][0]["rows"] == 1
    if text.startswith(("COMMENT", "CREATE", "ALTER")):
        assert run.document["verdict"] != "sound"

"""What is run on live of a backup's statements, by engine: words written anew, and nothing that does more."""

from __future__ import annotations

import pytest

from sospes.engines.mariadb.way_back import MariadbWayBack
from sospes.engines.postgresql.way_back import PostgresqlWayBack
from sospes.engines.way_back import Step, Stretch
from sospes.model.entries import Engine, Entry, Name
from sospes.model.kinds import Kind
from sospes.sql.lexis import Lexis
from sospes.sql.renaming import outer_words, renamed_text, without_item
from sospes.sql.statements import Classifier, Where

POSTGRESQL, MARIADB = PostgresqlWayBack(), MariadbWayBack()


def entry_of(text: str, engine: Engine = Engine.POSTGRESQL, encoding: str = "utf-8") -> Entry:
    """The entry that a statement is read as."""
    lexis = Lexis(engine, escapes=engine is Engine.MARIADB, encoding=encoding)
    where = Where(None, "public" if engine is Engine.POSTGRESQL else None, 0, 1)
    return Classifier(text.encode(encoding), lexis, where).entry()


@pytest.mark.parametrize(
    ("text", "name", "statement"),
    [
        ("SET search_path = public, pg_catalog;", "search_path", "SET LOCAL search_path = public, pg_catalog"),
        ("SELECT pg_catalog.set_config('search_path', '', false);", "search_path", "SET LOCAL search_path = ''"),
        ('SET search_path = "Old Logs", public;', "search_path", 'SET LOCAL search_path = "Old Logs", public'),
        ("SET standard_conforming_strings = off;", "strings", "SET LOCAL standard_conforming_strings = off"),
        ("SET xmloption = document;", "xml", "SET LOCAL xmloption = document"),
        ("SET default_tablespace = 'fast';", "", ""),
        ("SET session_preload_libraries = 'x';", "", ""),
        ("SET statement_timeout = 0;", "", ""),
    ],
)
def test_settings_of_postgresql_hold_until_the_transaction_ends(text: str, name: str, statement: str) -> None:
    assert POSTGRESQL.setting(entry_of(text)) == (name, statement.encode())


@pytest.mark.parametrize(
    ("text", "kept"),
    [
        ("SET sql_mode = 'NO_AUTO_VALUE_ON_ZERO'", True),
        ("/*!40101 SET @OLD_SQL_MODE=@@SQL_MODE, SQL_MODE='' */", True),
        ("/*!50003 SET collation_connection = utf8mb4_general_ci */", True),
        ("SET NAMES latin1", False),
        ("SET sql_log_bin = 0", False),
        ("SET SESSION sql_log_bin = 0, sql_mode = ''", False),
        ("SET @@session.sql_log_bin = 0", False),
        ("SET time_zone = '+00:00'", False),
    ],
)
def test_settings_of_mariadb_are_those_that_definitions_are_read_by(text: str, kept: bool) -> None:
    name, statement = MARIADB.setting(entry_of(text, Engine.MARIADB))
    assert bool(name) is kept and bool(statement) is kept


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("SELECT pg_catalog.setval('public.lots', 42, true);", "SELECT pg_catalog.setval('\"public\".\"lots\"'::pg_catalog.regclass, 42, true)"),
        ("SELECT setval('lots', 7);", "SELECT pg_catalog.setval('\"public\".\"lots\"'::pg_catalog.regclass, 7, true)"),
        ("SELECT pg_catalog.setval('public.lots', 1, false), lo_unlink(1);", ""),
        ("SELECT pg_catalog.setval('public.lots', (SELECT 1));", ""),
        ("CREATE SCHEMA rescue CREATE TABLE x (a int) GRANT ALL ON x TO PUBLIC;", 'CREATE SCHEMA "rescue"'),
        ("CREATE SCHEMA rescue AUTHORIZATION app;", 'CREATE SCHEMA "rescue"'),
        ("ALTER TABLE public.a DISABLE TRIGGER ALL;", ""),
        ("ALTER TABLE ONLY public.a REPLICA IDENTITY FULL;", "ALTER TABLE ONLY public.a REPLICA IDENTITY FULL"),
        ("CREATE MATERIALIZED VIEW public.v AS\n SELECT 1\n  WITH NO DATA;", "CREATE MATERIALIZED VIEW public.v AS\n SELECT 1 WITH NO DATA"),
        ("CREATE MATERIALIZED VIEW public.v AS SELECT purge();", "CREATE MATERIALIZED VIEW public.v AS SELECT purge() WITH NO DATA"),
        ("CREATE MATERIALIZED VIEW public.v AS SELECT 1 WITH DATA;", "CREATE MATERIALIZED VIEW public.v AS SELECT 1 WITH NO DATA"),
        ("COMMENT ON TABLE public.a IS 'it''s';", "COMMENT ON TABLE public . a IS 'it''s'"),
        ("GRANT SELECT ON TABLE public.a TO crew;", "GRANT SELECT ON TABLE public . a TO crew"),
        ("CREATE TABLE public.a (id integer) TABLESPACE fast;", "CREATE TABLE public.a (id integer)"),
        ("CREATE TABLE public.a (id integer GENERATED ALWAYS AS (1) STORED);", "CREATE TABLE public.a (id integer GENERATED ALWAYS AS (1) STORED)"),
    ],
)  # fmt: skip
def test_statements_of_postgresql_say_one_thing(text: str, said: str) -> None:
    assert POSTGRESQL.statement(entry_of(text), {}).decode().strip() == said


@pytest.mark.parametrize(
    "text",
    [
        "CREATE TABLE public.a AS SELECT 1;",
        "CREATE TABLE public.a (x) AS WITH d AS (DELETE FROM b RETURNING 1) SELECT 1;",
        "CREATE TABLE public.a AS EXECUTE p;",
        "CREATE UNLOGGED TABLE public.a AS TABLE b;",
    ],
)
def test_a_table_that_is_made_of_a_query_is_refused(text: str) -> None:
    found = entry_of(text)
    with pytest.raises(ValueError, match="made of a query"):
        POSTGRESQL.statement(found, {})
    with pytest.raises(ValueError, match="made of a query"):
        POSTGRESQL.bare(found, {})


@pytest.mark.parametrize(
    "text",
    [
        "CREATE TABLE `a` (`x` int) SELECT 1 AS x",
        "CREATE TABLE `a` AS SELECT 1",
        "CREATE TABLE `a` LIKE `b`",
        "CREATE TABLE `a` (`x` int) ENGINE=MERGE UNION=(`b`)",
        "CREATE TABLE `a` (`x` int) ENGINE=FEDERATED CONNECTION='mysql://h/d/t'",
        "CREATE TABLE `a` (`x` int) ENGINE = 'CONNECT' TABLE_TYPE=CSV",
        "CREATE TABLE `a` (`x` int) /*!40000 SELECT 1 */",
    ],
)
def test_a_table_of_mariadb_that_is_made_of_more_is_refused(text: str) -> None:
    with pytest.raises(ValueError, match=r"made of|lie elsewhere"):
        MARIADB.statement(entry_of(text, Engine.MARIADB), {})


def test_names_change_where_the_table_is_named_and_nowhere_else() -> None:
    for text, engine, wanted in (
        ('CREATE TABLE "Old Logs".a (a text DEFAULT \'a\', CHECK (a <> \'a\'));', Engine.POSTGRESQL, '"Old Logs"."new"'),
        ("CREATE TABLE IF NOT EXISTS `a` (`a` int, KEY `a` (`a`))", Engine.MARIADB, "`new`"),
        ("/*!50003 CREATE*/ /*!50017 DEFINER=`a`@`on`*/ /*!50003 TRIGGER `on` BEFORE INSERT ON `a` FOR EACH ROW SET @a = 1 */",
         Engine.MARIADB, "ON `new`"),
        ("/*!40000 ALTER TABLE `a` DISABLE KEYS */", Engine.MARIADB, "TABLE `new`"),
    ):  # fmt: skip
        found = entry_of(text, engine)
        way = POSTGRESQL if engine is Engine.POSTGRESQL else MARIADB
        called = {found.name if found.kind == Kind.TABLE else found.about or found.name: "new"}
        said = (way.bare if engine is Engine.POSTGRESQL else way.statement)(found, called).decode()
        assert said.count("new") == 1 and wanted in said, said


def test_keys_and_indexes_beside_a_table_get_names_of_the_servers_own() -> None:
    name = Name(None, "public", "a")
    key = entry_of('ALTER TABLE ONLY public.a ADD CONSTRAINT "a pkey" PRIMARY KEY (id);')
    index = entry_of("CREATE UNIQUE INDEX a_name ON public.a USING btree (name) WHERE (name <> 'on'::text);")
    assert POSTGRESQL.bare(key, {name: "b"}) == b'ALTER TABLE "public"."b" ADD PRIMARY KEY (id)'
    assert (
        POSTGRESQL.bare(index, {name: "b"})
        == b"CREATE UNIQUE INDEX ON public.\"b\" USING btree (name) WHERE (name <> 'on'::text)"
    )
    table = entry_of(
        "CREATE TABLE `a` (\n  `id` int,\n  KEY `k` (`id`),\n  CONSTRAINT `f` FOREIGN KEY (`id`) REFERENCES `p` (`id`)\n)",
        Engine.MARIADB,
    )
    assert b"FOREIGN" not in MARIADB.bare(table, {}) and b"KEY `k`" in MARIADB.bare(table, {})


def test_items_and_outer_words() -> None:
    assert without_item(b"(a, b, c)", b"b") == b"(a, c)" and without_item(b"(b, c)", b"b") == b"( c)"
    assert without_item(b"(a)", b"x") == b"(a)"
    lexis = Lexis(Engine.POSTGRESQL)
    assert "," not in outer_words(b"ALTER TABLE a ADD CHECK (f(a, b))", lexis)
    assert "," in outer_words(b"ALTER TABLE a ADD CHECK (a), DROP b", lexis)
    with pytest.raises(ValueError, match="names no table"):
        renamed_text(b"CREATE VIEW v AS SELECT 1", Kind.TABLE, lexis, "x", lambda name: name)


def test_statements_go_to_the_server_in_utf8() -> None:
    found = entry_of("CREATE TABLE public.b\u00e5t (id integer);", encoding="latin-1")
    assert POSTGRESQL.statement(found, {}) == "CREATE TABLE public.b\u00e5t (id integer)".encode()
    maria = entry_of("CREATE TABLE `b\u00e5t` (`id` int)", Engine.MARIADB, "latin-1")
    assert MARIADB.statement(maria, {maria.name: "x\u00e5"}) == "CREATE TABLE `x\u00e5` (`id` int)".encode()


def test_sequences_of_mariadb_and_what_is_not_for_live() -> None:
    value = entry_of("DO SETVAL(`lots`, 42, 0)", Engine.MARIADB)
    assert MARIADB.statement(value, {}) == MARIADB.taken_up(value) == b"DO SETVAL(`lots`, 42, 0)"
    assert MARIADB.taken_up(entry_of("DO SETVAL(`lots`, 42, 0), f()", Engine.MARIADB)) == b""
    for text in ("GRANT ALL ON `a` TO `x`@`y`", "LOCK TABLES `a` WRITE", "DROP TABLE `a`"):
        assert MARIADB.statement(entry_of(text, Engine.MARIADB), {}) == b""


def test_routines_in_languages_that_reach_outside() -> None:
    for text, outside in (
        ("CREATE FUNCTION f() RETURNS int LANGUAGE sql AS $$SELECT 1$$;", False),
        ("CREATE FUNCTION f() RETURNS int LANGUAGE plpgsql AS $$BEGIN RETURN 1; END$$;", False),
        ("CREATE FUNCTION f() RETURNS int LANGUAGE 'plpython3u' AS $$pass$$;", True),
        ("CREATE FUNCTION f() RETURNS int AS '$libdir/x', 'f' LANGUAGE c;", True),
    ):
        assert POSTGRESQL.reaches_outside(entry_of(text)) is outside
    assert MARIADB.reaches_outside(entry_of("CREATE FUNCTION f RETURNS INTEGER SONAME 'x.so'", Engine.MARIADB))


def test_what_was_made_is_taken_away_by_its_own_name() -> None:
    table = entry_of("CREATE TABLE `a` (`x` int)", Engine.MARIADB)
    assert MARIADB.undoing(table, {table.name: "aside"}) == b"DROP TABLE IF EXISTS `aside`"
    assert MARIADB.undoing(entry_of("CREATE VIEW `v` AS SELECT 1", Engine.MARIADB), {}) == b"DROP VIEW IF EXISTS `v`"
    assert POSTGRESQL.undoing(entry_of("CREATE TABLE a (x int)"), {}) == b""


def test_scripts_have_all_steps_and_rows() -> None:
    rows = Step(kind=Kind.DATA, label="2 rows\nof a", statement=b"COPY a FROM STDIN", rows=(Stretch(0, 4, 2),))
    table = Step(kind=Kind.TABLE, label="table a", statement=b"CREATE TABLE a (x int)")
    text = b"".join(POSTGRESQL.script([table, rows], lambda stretch: b"1\n2\n"[: stretch.size]))
    assert text.startswith(b"\\set ON_ERROR_STOP on\nBEGIN;\n") and text.endswith(b"COMMIT;\n")
    assert b"COPY a FROM STDIN;\n1\n2\n\\.\n" in text and b"-- 2 rows of a\n" in text
    maria = Step(kind=Kind.DATA, label="rows", statement=b"INSERT INTO `a` VALUES\n", rows=(Stretch(0, 3, 1),))
    assert b"INSERT INTO `a` VALUES\n(1)\n//\n" in b"".join(MARIADB.script([maria], lambda _: b"(1)"))
    assert POSTGRESQL.opening(Name(None, "s", "t"), ()) == b'COPY "s"."t" FROM STDIN'
    assert MARIADB.opening(Name(None, None, "t`"), ("a", "b`")) == b"INSERT INTO `t``` (`a`, `b```) VALUES\n"
    assert b'"s"."t"' in POSTGRESQL.plain_rights([Name(None, "s", "t")]) and POSTGRESQL.plain_rights([]) == b""

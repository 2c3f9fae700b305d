"""Scripts that people write: what no backup program words so is meant, as long as the engine takes it."""

from __future__ import annotations

import sqlite3
import time
from contextlib import closing
from pathlib import Path

import pytest

from tests.backups import POSTGRESQL_END, POSTGRESQL_HEAD, copy_table, mysql, postgresql
from tests.conftest import INPUTS, sospes
from tests.servers import MariadbServer, PostgresServer

BASE = {
    "postgresql": "SET client_encoding = 'UTF8';\n"
    "CREATE TABLE boat (id integer PRIMARY KEY, name text NOT NULL, built date, berth int DEFAULT 1);\n"
    "CREATE TABLE crew (id serial PRIMARY KEY, boat_id int REFERENCES boat (id), name varchar(40), paid numeric(8,2), "
    "tags text[], extra jsonb, since timestamptz DEFAULT now());\n",
    "mariadb": "CREATE TABLE boat (id int PRIMARY KEY, name varchar(40) NOT NULL, built date, berth int DEFAULT 1);\n"
    "CREATE TABLE crew (id int auto_increment PRIMARY KEY, boat_id int, name varchar(40), paid decimal(8,2), "
    "since timestamp NULL, kind enum('a','b'), flags set('x','y'), raw blob, "
    "FOREIGN KEY (boat_id) REFERENCES boat (id)) ENGINE=InnoDB;\n",
    "sqlite": "PRAGMA foreign_keys = OFF;\n"
    "CREATE TABLE boat (id INTEGER PRIMARY KEY, name TEXT NOT NULL, built date, berth int DEFAULT 1);\n"
    "CREATE TABLE crew (id integer PRIMARY KEY AUTOINCREMENT, boat_id int REFERENCES boat, name, paid decimal(8,2), "
    "since timestamp DEFAULT CURRENT_TIMESTAMP);\n",
}


def _statements(engine: str) -> list[str]:
    text = (INPUTS / f"by_hand_{engine}.sql").read_text()
    return [f"{statement.rstrip()}\n" for statement in text.split("\n%%\n")]


def _faults(path: Path, command: str = "verify") -> list[str]:
    found = sospes(command, path, "--json").document["findings"]
    return [f"{finding['code']}: {finding['message']}" for finding in found if finding["severity"] == "fault"]


@pytest.mark.parametrize("engine", sorted(BASE))
def test_what_an_engine_takes_is_never_called_unsound(tmp_path: Path, engine: str) -> None:
    path, wrong = tmp_path / "hand.sql", {}
    for statement in _statements(engine):
        path.write_text(BASE[engine] + statement)
        for command in ("verify", "rehearse"):
            faults = _faults(path, command)
            if faults:
                wrong[f"{command}: {statement}"] = faults
    assert not wrong, "\n".join(map(str, wrong.items()))


def test_it_is_not_called_unsound_either_within_what_a_program_wrote(tmp_path: Path) -> None:
    path, wrong = tmp_path / "edited.sql", {}
    for statement in _statements("postgresql"):
        path.write_bytes(POSTGRESQL_HEAD + (BASE["postgresql"] + statement).encode() + POSTGRESQL_END)
        if faults := _faults(path):
            wrong[statement] = faults
    assert not wrong, "\n".join(map(str, wrong.items()))


def test_the_engines_take_what_the_lists_say_they_take(postgres: PostgresServer, mariadb: MariadbServer) -> None:
    refused = []
    for engine, server, first in (("postgresql", postgres, "postgres"), ("mariadb", mariadb, "mysql")):
        for statement in _statements(engine):
            server.run_sql(first, "CREATE DATABASE by_hand")
            try:
                server.run_sql("by_hand", BASE[engine] + statement)
            except RuntimeError as error:
                refused.append(f"{statement}: {error}")
            server.run_sql(first, "DROP DATABASE by_hand")
    mariadb.run_sql("mysql", "DROP DATABASE IF EXISTS other")
    assert not refused, "\n".join(refused)


def test_sqlite_takes_what_the_list_says_it_takes() -> None:
    for statement in _statements("sqlite"):
        with closing(sqlite3.connect(":memory:", isolation_level=None)) as database:
            try:
                database.executescript(BASE["sqlite"] + statement)
            except sqlite3.OperationalError as error:  # an older library knows less
                assert "syntax error" in str(error) or "no such function" in str(error), statement


BOAT = copy_table("public.boat", [("sign", "integer NOT NULL"), ("name", "text")], [["1", "a"], ["2", "b"]], "sign")
PIER = "CREATE TABLE public.pier (\n    sign integer,\n    name text\n);\n\n"


@pytest.mark.parametrize(
    ("text", "code"),
    [
        ("INSERT INTO public.pier VALUES (1);\n", "row-shape"),
        ("INSERT INTO public.pier VALUES (1 2, 'a');\n", "value-unreadable"),
        ("INSERT INUO public.pier VALUES (1, 'a');\n", "statement-unreadable"),
        ("INSERT INTO public.pjer VALUES (1, 'a');\n", "table-undefined"),
        ("INSERT INTO public.pier (sign, nane) VALUES (1, 'a');\n", "column-unknown"),
        ("CREBTE TABLE public.x (\n    a integer\n);\n", "statement-unreadable"),
        ("DROP TABLE public.pier;\n", "dropped-again"),
    ],
)
def test_in_what_a_program_wrote_the_same_is_damage(tmp_path: Path, text: str, code: str) -> None:
    path = tmp_path / "damaged.sql"
    path.write_bytes(postgresql(BOAT + (PIER + text).encode()))
    run = sospes("verify", path, "--json")
    assert run.document["verdict"] == "unsound"
    assert run.codes == [code]
    path.write_bytes(postgresql(BOAT + (PIER + text + "insert into public.pier values (9, 'z');\n").encode()))
    weaker = sospes("verify", path, "--json").document
    assert weaker["verdict"] in {"unproven", "unsound"}


def test_damage_in_what_somebody_wrote_by_hand_is_a_doubt_that_says_so(tmp_path: Path) -> None:
    path = tmp_path / "hand.sql"
    path.write_text("create table boat (sign int, name text);\ninsert into boat values (1);\n")
    found = sospes("verify", path, "--json")
    assert (found.document["verdict"], found.code) == ("unproven", 3)
    (shape,) = (finding for finding in found.document["findings"] if finding["code"] == "row-shape")
    assert (shape["severity"], "by hand" in shape["advice"]) == ("doubt", True)
    path.write_text("create table boat (sign int, name text);\ninsert into boat values (1, 'a\n")
    cut = sospes("verify", path, "--json")
    assert (cut.document["verdict"], "truncated" in cut.codes) == ("unsound", True)


@pytest.mark.parametrize(
    "comment",
    ["/* a /* it's */ b */", "/* /* /* it's */ */ (' */", "/*/**/'*/", "/* a */", "-- it's\n"],
)
@pytest.mark.parametrize(
    "statement",
    [
        "INSERT INTO public.pier VALUES {c} (1, 'x');\n",
        "INSERT INTO public.pier VALUES (1, {c} 'x');\n",
        "INSERT INTO public.pier VALUES (1, 'x') {c};\n",
        "INSERT INTO public.pier {c} (sign, name) VALUES (1, 'x');\n",
        "{c} INSERT INTO public.pier VALUES (1, 'x');\n",
        "INSERT INTO public.pier VALUES (1, 'x'); {c}\n",
    ],
)
def test_comments_within_comments_say_nothing(tmp_path: Path, comment: str, statement: str) -> None:
    path, out = tmp_path / "nested.sql", tmp_path / "pier.csv"
    path.write_bytes(postgresql((PIER + statement.replace("{c}", comment)).encode()))
    run = sospes("verify", path, "--json")
    assert (run.document["verdict"], run.codes) == ("sound", [])
    assert sospes("extract", path, "public.pier", "--as", "csv", "--out", out).code == 0
    assert out.read_text() == "sign,name\n1,x\n"


def test_only_postgresql_reads_comments_within_comments(tmp_path: Path) -> None:
    path = tmp_path / "plain.sql"
    path.write_bytes(
        mysql(b"CREATE TABLE `t` (\n  `a` int\n);\nINSERT INTO `t` VALUES /* x /* y */ (1), /* /* */ (2);\n")
    )
    run = sospes("verify", path, "--json")
    assert (run.document["verdict"], run.document["result"]["tables"][0]["rows"]) == ("sound", 2)


def test_strings_of_all_kinds_are_one_value(tmp_path: Path) -> None:
    path, out = tmp_path / "strings.sql", tmp_path / "pier.csv"
    values = "(1, $$it's, (\"a)$$), (2, $tag$ $$ ; $tag$), (3, E'it\\'s'), (4, 'a''b')"
    path.write_bytes(postgresql((PIER + f"INSERT INTO public.pier AS p VALUES {values};\n").encode()))
    assert sospes("verify", path, "--json").document["verdict"] == "sound"
    assert sospes("extract", path, "public.pier", "--as", "csv", "--out", out).code == 0
    assert out.read_text() == 'sign,name\n1,"it\'s, (""a)"\n2," $$ ; "\n3,it\'s\n4,a\'b\n'


@pytest.mark.parametrize("line", ["\\echo hello", "\\set ON_ERROR_STOP on", "\\timing", "\\x auto", "\\pset pager off"])
def test_lines_that_change_what_is_shown_are_harmless(tmp_path: Path, line: str) -> None:
    path = tmp_path / "shown.sql"
    path.write_bytes(postgresql(BOAT + line.encode() + b"\n"))
    assert sospes("verify", path, "--json").document["verdict"] == "sound"


@pytest.mark.parametrize(
    "line", [r"\set x '; DROP TABLE public.boat'", r"\set AUTOCOMMIT off", r"\set QUIET '; DROP'", r"\if :x", r"\endif"]
)
def test_lines_that_put_text_into_statements_leave_a_doubt(tmp_path: Path, line: str) -> None:
    path = tmp_path / "set.sql"
    path.write_bytes(postgresql(BOAT + line.encode() + b"\nCOMMENT ON TABLE public.boat IS 'a' :x;\n"))
    run = sospes("verify", path, "--json")
    assert (run.document["verdict"], run.codes) == ("unproven", ["effect-unknown"])


@pytest.mark.parametrize("line", ["exit", "quit", "QUIT", "resetconnection"])
def test_words_that_end_the_client_leave_a_doubt(tmp_path: Path, line: str) -> None:
    path = tmp_path / "quit.sql"
    path.write_bytes(mysql(b"CREATE TABLE `t` (\n  `a` int\n);\n" + line.encode() + b"\nINSERT INTO `t` VALUES (1);\n"))
    assert sospes("verify", path, "--json").codes == ["effect-unknown"]


@pytest.mark.parametrize("names", [b"/*!40101 SET NAMES gbk */;\n", b"charset gbk\n", b"SET NAMES big5;\n"])
@pytest.mark.parametrize(
    ("rows", "doubtful"),
    [
        pytest.param(b"INSERT INTO `t` VALUES ('\xbf\x5c');\nDROP TABLE `t`;\n-- ');\n", True, id="hides-a-statement"),
        pytest.param(b"INSERT INTO `t` VALUES ('\xbf\x5c'),('b');\n", True, id="ends-a-string"),
        pytest.param(b"INSERT INTO `t` VALUES ('\xbf\x5c');\n", True, id="ends-the-text"),
        pytest.param(b"INSERT INTO `t` VALUES ('\xbf\x5d'),('b\\'c');\n", False, id="nothing-of-that-kind"),
    ],
)
def test_letters_that_hold_a_mark_are_never_a_proof(tmp_path: Path, names: bytes, rows: bytes, doubtful: bool) -> None:
    path = tmp_path / "letters.sql"
    text = b"CREATE TABLE `t` (\n  `a` varchar(99)\n) ENGINE=InnoDB DEFAULT CHARSET=gbk;\n"
    path.write_bytes(mysql(text + names + rows))
    run = sospes("verify", path, "--json")
    assert run.document["verdict"] == ("unproven" if doubtful else "sound"), run.document["findings"]
    assert ("letters-unsure" in run.codes) is doubtful


@pytest.mark.parametrize(
    "line",
    ["\\echo `id`", "\\set x `id`", "\\o | id", "\\dt | id", "\\! id", "\\i x.sql", "\\g | id", "\\setenv PAGER id",
     "\\lo_import x", "\\w x", "\\copy public.boat to program 'id'", "\\echo a \\! id"],
)  # fmt: skip
def test_lines_that_start_programs_or_reach_files_are_not(tmp_path: Path, line: str) -> None:
    path = tmp_path / "reaching.sql"
    path.write_bytes(postgresql(BOAT + line.encode() + b"\n"))
    run = sospes("verify", path, "--json")
    assert (run.document["verdict"], run.codes) == ("unsound", ["hostile-statement"])


@pytest.mark.parametrize("line", ["system id", "source x.sql", "tee /tmp/x", "pager sh", "\\! id", "\\. x.sql"])
def test_words_of_the_client_that_reach_out_are_hostile(tmp_path: Path, line: str) -> None:
    path = tmp_path / "words.sql"
    path.write_bytes(mysql(b"CREATE TABLE `t` (\n  `a` int\n);\n" + line.encode() + b"\nINSERT INTO `t` VALUES (1);\n"))
    run = sospes("verify", path, "--json")
    assert (run.document["verdict"], run.codes) == ("unsound", ["hostile-statement"])
    assert run.document["result"]["tables"][0]["rows"] == 1


@pytest.mark.parametrize("options", ["WITH (FORMAT csv)", "DELIMITER ',' CSV HEADER", "CSV", "WITH NULL AS 'none'"])
def test_rows_in_another_form_are_left_unread_and_said_to_be(tmp_path: Path, options: str) -> None:
    path = tmp_path / "csv.sql"
    text = f"{PIER}COPY public.pier (sign, name) FROM stdin {options};\n1,it's\n2,(b\n\\.\n\n"
    path.write_bytes(postgresql(text.encode() + BOAT))
    run = sospes("verify", path, "--json")
    assert (run.document["verdict"], run.codes) == ("unproven", ["rows-unread"])
    assert [table["rows"] for table in run.document["result"]["tables"] if table["name"] == "boat"] == [2]
    path.write_bytes(POSTGRESQL_HEAD + text.split("\\.", maxsplit=1)[0].encode())
    assert "truncated" in sospes("verify", path, "--json").codes


@pytest.mark.parametrize(
    "text",
    [
        pytest.param(mysql(b"CREATE TABLE `t` (\n  `a` int\n) ENGINE=InnoDB " + b"a" * 80 + b" !;\n"), id="options"),
        pytest.param(mysql(b"CREATE TABLE `t` (\n  `a` int\n) " + b"a " * 20_000 + b"!;\n"), id="many-options"),
        pytest.param(
            postgresql(
                b"CREATE TABLE public.t (\n    a integer NOT NULL\n);\n\nALTER TABLE public.t ALTER COLUMN a "
                b"ADD GENERATED ALWAYS AS IDENTITY (\n    SEQUENCE NAME " + b"a" * 80 + b" !\n);\n"
            ),
            id="identity",
        ),
        pytest.param(postgresql(b"COPY public.t" + b" " * 60_000 + b"!;\n"), id="space"),
        pytest.param(postgresql(b"/*" * 20_000 + b"\nSELECT 1;\n"), id="comments-without-end"),
        pytest.param(postgresql(b"INSERT INTO public.t VALUES (1) " + b"/* " * 20_000 + b";\n"), id="comments-in-tail"),
    ],
)
def test_no_text_makes_a_pattern_search_for_ever(tmp_path: Path, text: bytes) -> None:
    path = tmp_path / "long.sql"
    path.write_bytes(text)
    begin = time.perf_counter()
    assert sospes("verify", path, "--json").document["verdict"] != "sound"
    assert time.perf_counter() - begin < 10


@pytest.mark.parametrize("engine", ["postgresql", "mariadb"])
def test_columns_that_the_server_fills_are_not_held_against_the_rows(tmp_path: Path, engine: str) -> None:
    path = tmp_path / "left.sql"
    rows = "INSERT INTO crew (name) VALUES ('a'), ('b');\nINSERT INTO crew (id, name) VALUES (7, 'c');\n"
    path.write_text(BASE[engine] + rows)
    run = sospes("rehearse", path, "--json")
    assert run.codes == ["completeness-unknown"]
    assert sum(table["rows"] for table in run.document["result"]["tables"]) == 3
    path.write_text(BASE[engine] + "INSERT INTO boat (id, name) VALUES (1, NULL);\n")
    assert "null-forbidden" in sospes("rehearse", path, "--json").codes

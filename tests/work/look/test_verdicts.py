"""What legitimately looks like damage is sound, and what is none of the engine's words never is."""

from __future__ import annotations

import shutil
import sqlite3
from contextlib import closing
from pathlib import Path

import pytest

from sospes.formats.opening import Opened
from sospes.model.findings import Finding
from tests.backups import copy_table, mysql, postgresql, tides
from tests.conftest import sospes, verdict_of

BOAT = copy_table("public.boat", [("sign", "integer NOT NULL"), ("name", "text")], [["1", "a"], ["2", "b"]], "sign")


def _codes(path: Path, *options: str) -> tuple[int, list[str]]:
    run = sospes("verify", *options, path, "--json")
    return run.code, run.codes


# -- what servers and people legitimately write


@pytest.mark.parametrize(
    "text",
    [
        pytest.param(
            "--\n-- Name: v; Type: VIEW; Schema: public; Owner: a\n--\n\nCREATE VIEW public.v AS\nSELECT NULL::integer AS x;\n\n"
            "--\n-- Name: v _RETURN; Type: RULE; Schema: public; Owner: a\n--\n\nCREATE OR REPLACE VIEW public.v AS\n SELECT 1 AS x;\n\n",
            id="view-in-a-loop",
        ),
        pytest.param(
            '--\n-- Name: x; Type: TABLE; Schema: -; Owner: a; Type: TABLE; Schema: public; Owner: a\n--\n\n'
            'CREATE TABLE public."x; Type: TABLE; Schema: -; Owner: a" (\n    a integer\n);\n\n',
            id="name-that-reads-like-a-heading",
        ),
        pytest.param(
            "--\n-- Name: kept; Type: TABLE; Schema: public; Owner: a\n--\n\nCREATE TABLE public.renamed (\n    a integer\n);\n\n",
            id="edited-by-hand",
        ),
        pytest.param(
            "CREATE EXTENSION made_up_places WITH SCHEMA public;\n\nCOPY public.place_kinds (a) FROM stdin;\n1\n\\.\n\n",
            id="rows-of-an-extension",
        ),
        pytest.param(
            "CREATE TABLE public.child (\n    b integer\n)\nINHERITS (elsewhere.parent);\n\n"
            "COPY public.child (a, b) FROM stdin;\n1\t2\n\\.\n\n",
            id="columns-of-a-parent-that-is-left-out",
        ),
        pytest.param(
            "CREATE TABLE public.log_2023 (\n    a integer\n);\n\nALTER TABLE ONLY public.log_2023\n"
            "    ADD CONSTRAINT f FOREIGN KEY (a) REFERENCES public.log_2024(a);\n\n",
            id="reference-to-a-table-of-a-like-name",
        ),
        pytest.param(
            "CREATE TABLE public.stay (\n    id integer NOT NULL,\n    during daterange NOT NULL\n);\n\n"
            "ALTER TABLE ONLY public.stay\n    ADD CONSTRAINT k PRIMARY KEY (id, during WITHOUT OVERLAPS);\n\n",
            id="key-without-overlaps",
        ),
        pytest.param("CREATE TABLE public.d (\n    a text DEFAULT '\x01\x1f'::text\n);\n\n", id="control-character-in-a-string"),
    ],
)  # fmt: skip
def test_what_a_server_writes_is_no_damage(tmp_path: Path, text: str) -> None:
    (tmp_path / "a.sql").write_bytes(postgresql(BOAT + text.encode()))

    assert _codes(tmp_path / "a.sql") == (0, [])


def test_headings_in_another_character_set(tmp_path: Path) -> None:
    table = '--\n-- Name: bø; Type: TABLE; Schema: public; Owner: a\n--\n\nCREATE TABLE public."bø" (\n    a integer\n);\n\n'
    text = postgresql(table.encode()).decode().replace("'UTF8'", "'LATIN1'")
    (tmp_path / "a.sql").write_bytes(text.encode("latin-1"))

    assert _codes(tmp_path / "a.sql") == (0, [])


@pytest.mark.parametrize(
    "body",
    [
        "CREATE TABLE `stay` (`id` int, `a` date NOT NULL, `b` date NOT NULL, PERIOD FOR `during` (`a`,`b`),\n"
        "  UNIQUE KEY `id` (`id`,`during` WITHOUT OVERLAPS)\n);\nINSERT INTO `stay` VALUES (1,'2026-01-01','2026-01-02');\n",
        "CREATE TABLE `kept` (`id` int NOT NULL\n) WITH SYSTEM VERSIONING;\n"
        "INSERT INTO `kept` (`id`, row_start, row_end) VALUES (1,'2026-01-01 00:00:00.000000','2038-01-19 03:14:07.999999');\n",
        "CREATE TABLE `ruled` (`a` char(3) DEFAULT 'a,b', `b` enum('x','y') NOT NULL COMMENT 'it''s', `c` int(11) GENERATED "
        "ALWAYS AS (`a` + 1) VIRTUAL, KEY `k` (`a`(2) DESC), CONSTRAINT `p` CHECK (`a` <> 'z')\n) ENGINE=InnoDB;\n",
    ],
)
def test_periods_versions_and_options_of_mariadb(tmp_path: Path, body: str) -> None:
    (tmp_path / "a.sql").write_bytes(mysql(body.encode()))

    assert _codes(tmp_path / "a.sql") == (0, [])


@pytest.fixture
def database(tmp_path: Path) -> Path:
    """A SQLite database with statistics, counters, a row without its parent, and text that is no text."""
    path = tmp_path / "a.db"
    with closing(sqlite3.connect(path)) as connection:
        connection.executescript(
            "CREATE TABLE boat (id INTEGER PRIMARY KEY AUTOINCREMENT, name TEXT);"
            "CREATE TABLE crew (id INTEGER, boat INTEGER REFERENCES boat(id)); CREATE INDEX c ON crew(boat);"
            "INSERT INTO boat(name) VALUES ('a'), (CAST(x'ff41' AS TEXT)); INSERT INTO crew VALUES (1, 77); ANALYZE;"
        )
    return path


def test_a_crooked_sqlite_database_is_sound(database: Path, tmp_path: Path) -> None:
    assert _codes(database) == (0, []) and verdict_of("rehearse", database) == ("sound", 0)
    told = {item["code"] for item in sospes("verify", database, "--json").document["findings"]}
    assert "reference-broken" in told, "it is told, and changes nothing"
    if shutil.which("sqlite3"):
        with closing(sqlite3.connect(database)) as connection:
            connection.text_factory = bytes
            text = b"".join(line + b"\n" for line in _dumped(connection))
        (tmp_path / "a.sql").write_bytes(text)
        assert _codes(tmp_path / "a.sql") == (0, [])


def _dumped(connection: sqlite3.Connection) -> list[bytes]:
    rows = [
        b"INSERT INTO %s VALUES(%d,'%s');" % (b"boat", key, name)
        for key, name in connection.execute("SELECT id, name FROM boat")
    ]
    head = [
        b"PRAGMA foreign_keys=OFF;",
        b"BEGIN TRANSACTION;",
        b"CREATE TABLE boat (id INTEGER PRIMARY KEY, name TEXT);",
    ]
    return [*head, *rows, b"ANALYZE sqlite_schema;", b"INSERT INTO sqlite_stat1 VALUES('boat',NULL,'2');", b"COMMIT;"]


def test_a_collation_that_a_program_brings(tmp_path: Path) -> None:
    path = tmp_path / "a.db"
    with closing(sqlite3.connect(path)) as connection:
        connection.create_collation("harbour", lambda a, b: (a > b) - (a < b))
        connection.executescript(
            "CREATE TABLE t (a TEXT COLLATE harbour); CREATE INDEX i ON t(a); INSERT INTO t VALUES ('x')"
        )

    assert _codes(path) == (0, [])
    assert "engine-check-incomplete" in sospes("verify", path, "--json").out


def test_a_log_that_is_lost_or_broken(tmp_path: Path) -> None:
    live = tmp_path / "live.db"
    connection = sqlite3.connect(live)
    connection.executescript("PRAGMA journal_mode=WAL; PRAGMA wal_autocheckpoint=0; CREATE TABLE t (a)")
    for number in range(5):
        connection.execute("INSERT INTO t VALUES (?)", (number,))
        connection.commit()
    log = (tmp_path / "live.db-wal").read_bytes()
    taken = tmp_path / "taken"
    taken.mkdir()
    for name in ("live.db", "live.db-wal"):
        shutil.copy(tmp_path / name, taken / name)
    connection.close()
    assert _codes(taken / "live.db") == (0, [])

    page = 24 + int.from_bytes(log[8:12], "big")
    for at, code in ((16, 1), (32 + 60, 1), (len(log) - page + 60, 3)):
        broken = bytearray(log)
        broken[at] ^= 1
        (taken / "live.db-wal").write_bytes(broken)
        assert _codes(taken / "live.db") == (code, ["log-damaged"]), at
    (taken / "live.db-wal").unlink()
    assert _codes(taken / "live.db") == (3, ["log-missing"])


# -- what is none of the engine's words


@pytest.mark.parametrize(
    ("old", "new", "code"),
    [
        pytest.param("integer NOT NULL", "integ%r NOT NULL", "definition-unreadable", id="type"),
        pytest.param("integer NOT NULL", "integer FOT NULL", "definition-unreadable", id="option"),
        pytest.param("name text", "name numeric(8<2)", "definition-unreadable", id="size"),
        pytest.param("name text", "name character varying(;0)", "definition-unreadable", id="size-of-text"),
        pytest.param("SET client_encoding = ", "SET client_encodinf = ", "statement-unclear", id="setting"),
    ],
)
def test_damaged_words_of_postgresql(tmp_path: Path, old: str, new: str, code: str) -> None:
    whole = postgresql(BOAT)
    assert old.encode() in whole
    (tmp_path / "a.sql").write_bytes(whole.replace(old.encode(), new.encode(), 1))

    found = _codes(tmp_path / "a.sql")

    assert found[0] != 0 and code in found[1], found


@pytest.mark.parametrize(
    ("row", "code"),
    [
        ("INSERT INUO public.boat VALUES (3, 'c');", "statement-unreadable"),
        ("INSERT INTO public.boat (sign, name)x VALUES (3, 'c');", "statement-unreadable"),
        ("INSERT INTO publi#.boat VALUES (3, 'c');", "statement-unreadable"),
        ("INSERT!INTO public.boat VALUES (3, 'c');", "statement-unreadable"),
        ("INSERT INTO public.boat VALUES (3, nul);", "value-unreadable"),
        ("INSERT INTO public.boat VALUES (5 6, 'c');", "value-unreadable"),
        ("INSERT INTO public.boat VALUES (3, X'0g12');", "value-unreadable"),
    ],
)
def test_damaged_inserts(tmp_path: Path, row: str, code: str) -> None:
    (tmp_path / "a.sql").write_bytes(postgresql(BOAT + row.encode() + b"\n\n"))

    assert _codes(tmp_path / "a.sql") == (1, [code])


@pytest.mark.parametrize(
    "line",
    [
        "/*!40101 SET character_set_clienu = utf8mb4 */;\n", "LOCK TABLEC `t` WRITE;\n", "DROP TABLE KF EXISTS `t`;\n",
        "/*!40000 ALTER TABLE `t` DISABLE KGYS */;\n", "/*!50003 SET sql_mode = 'STRICT_TRANS_TABLES,NO_ZERO_DAT]' */;\n",
        "/*!50003 SET collation_connection(= utf8mb4_general_ci */;\n",
    ],
)  # fmt: skip
def test_damaged_lines_around_the_rows_of_mariadb(tmp_path: Path, line: str) -> None:
    table = b"CREATE TABLE `t` (`a` int);\nINSERT INTO `t` VALUES (1);\n"
    (tmp_path / "a.sql").write_bytes(mysql(line.encode() + table))

    code, codes = _codes(tmp_path / "a.sql")

    assert code != 0 and set(codes) <= {"statement-unclear", "statement-unreadable"}


def test_the_same_dump_twice_in_one_file(tmp_path: Path) -> None:
    (tmp_path / "a.sql").write_bytes(tides() + tides())
    (tmp_path / "b.sql").write_bytes(mysql(b"DROP TABLE IF EXISTS `t`;\nCREATE TABLE `t` (`a` int);\n") * 2)

    assert _codes(tmp_path / "a.sql") == (1, ["defined-twice"])
    assert _codes(tmp_path / "b.sql") == (0, []), "the second takes the first's place"


# -- every backup of a call has its own verdict


def test_an_error_inside_costs_no_other_backup_its_verdict(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    for name in ("a.sql", "b.sql"):
        (tmp_path / name).write_bytes(tides())
    whole = Opened.placed

    def placed(self: Opened, finding: Finding) -> Finding:
        if self.name.endswith("a.sql"):
            raise IndexError("made up")
        return whole(self, finding)

    (tmp_path / "a.sql").write_bytes(tides()[:-30])
    monkeypatch.setattr(Opened, "placed", placed)

    run = sospes("verify", tmp_path / "a.sql", tmp_path / "b.sql", tmp_path / "gone.sql", "--json")

    assert run.code == 2
    assert [(item["verdict"], [found["code"] for found in item["findings"]]) for item in run.document["result"]] == [
        ("unproven", ["unreadable"]), ("sound", []), ("unproven", ["not-carried-out"]),
    ]  # fmt: skip


def test_wrong_words_are_told_what_was_meant() -> None:
    assert "did you mean --values" in sospes("verify", "--valeus", "x").err
    assert "did you mean verify" in sospes("verfy", "x").err
    run = sospes("compare", "a", "b", "--tabel", "x", "--json")
    assert run.code == 2 and "--table" in run.document["findings"][0]["advice"]

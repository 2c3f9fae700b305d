"""Values of INSERT that call what reads files: hostile as a call, plain text inside a string."""

from __future__ import annotations

from pathlib import Path
from time import perf_counter

import pytest

from tests.backups import mysql, postgresql
from tests.conftest import Run, sospes

POSTGRESQL_CALLS = [
    "''||pg_read_file('/etc/passwd')||''", "pg_read_file('/x')", "'a' || lo_export(1,'x')", "(SELECT pg_read_file('x'))",
    "pg_catalog.pg_read_file/**/('x')", "\"pg_read_file\"('x')", "E'\\''||lo_import('x')||E''", "$$a$$||pg_ls_dir('x')",
    "'a'--'\n||lo_import('x')",
]  # fmt: skip
POSTGRESQL_TEXTS = [
    "E'load_file(1)'", "'call lo_import(''x'')'", "'it''s lo_import(1)'", "E'x\\'lo_export(1)'", "'a\\'", "'lo_export(' || 'x'",
    "$$lo_export(1)$$", "$a$lo_export(1)$$ $a$", "U&'lo_export(1)'", "'a'::text",
]  # fmt: skip
MARIADB_CALLS = [
    "LOAD_FILE('/etc/passwd')",
    "CONCAT('a',LOAD_FILE('x'))",
    "load_file /* */ ('x')",
    "'\\\\'+LOAD_FILE('x')",
]
MARIADB_TEXTS = [
    "_binary 'LOAD_FILE(1)'", "'it\\'s LOAD_FILE(1)'", "''''", "'a' 'b'", '"LOAD_FILE(1)"', "_utf8mb4'LOAD_FILE(1)'", "'\\\\'",
    "0x4142", "b'1'",
]  # fmt: skip


def _verified(folder: Path, script: bytes) -> Run:
    (folder / "night.sql").write_bytes(script)
    return sospes("verify", folder / "night.sql", "--json")


def _postgresql(folder: Path, cell: str) -> Run:
    table = "CREATE TABLE public.ship (a text, b text);\n"
    return _verified(folder, postgresql(f"{table}INSERT INTO public.ship VALUES ({cell}, 'z');\n".encode()))


def _mariadb(folder: Path, cell: str) -> Run:
    table = "CREATE TABLE `ship` (\n  `a` text DEFAULT NULL,\n  `b` blob DEFAULT NULL\n);\n"
    return _verified(folder, mysql(f"{table}INSERT INTO `ship` VALUES ({cell},'z');\n".encode()))


_VERIFIED = {"postgresql": _postgresql, "mariadb": _mariadb}


def _cells(**of_engines: list[str]) -> list[tuple[str, str]]:
    return [(engine, cell) for engine, cells in of_engines.items() for cell in cells]


@pytest.mark.parametrize(("engine", "cell"), _cells(postgresql=POSTGRESQL_CALLS, mariadb=MARIADB_CALLS))
def test_a_call_is_hostile(engine: str, cell: str, tmp_path: Path) -> None:
    assert "hostile-statement" in _VERIFIED[engine](tmp_path, cell).codes


@pytest.mark.parametrize(("engine", "cell"), _cells(postgresql=POSTGRESQL_TEXTS, mariadb=MARIADB_TEXTS))
def test_a_text_that_speaks_of_calls_is_sound(engine: str, cell: str, tmp_path: Path) -> None:
    run = _VERIFIED[engine](tmp_path, cell)
    assert run.codes == [] and run.document["verdict"] == "sound"


@pytest.mark.parametrize(
    "rows",
    [
        "\n (1,'x'), -- it's the first\n (2,'y')", "\n (1,'x'), /* it's ; */\n (2,'y')", "(1, -- it's one\n 'x'),(2,'y')",
        "(1,/* , ( */ 'x'),(2,'y')", " -- rows\n(1,'x') -- it's\n,(2,'y') -- that's all\n", "(1,'x'),(2,'--')--'",
    ],
)  # fmt: skip
def test_comments_between_values_say_nothing(rows: str, tmp_path: Path) -> None:
    table = "CREATE TABLE public.ship (a integer, b text);\n"

    run = _verified(tmp_path, postgresql(f"{table}INSERT INTO public.ship VALUES{rows}\n;\n".encode()))
    copy = sospes("extract", tmp_path / "night.sql", "public.ship", "--as", "csv", "--out", tmp_path / "ship.csv")

    assert run.codes == [] and copy.code == 0
    lines = (tmp_path / "ship.csv").read_text().split()
    assert lines == ["a,b", "1,x", "2,--" if "'--'" in rows else "2,y"]


def test_comments_of_mariadb(tmp_path: Path) -> None:
    table = "CREATE TABLE `ship` (\n  `a` int(11) DEFAULT NULL,\n  `b` text DEFAULT NULL\n);\n"
    rows = f"{table}INSERT INTO `ship` VALUES\n(5--3,'x'), # it's\n(2,'#'); # it's\n"

    assert _verified(tmp_path, mysql(rows.encode())).codes == []


@pytest.mark.parametrize(
    ("insert", "codes"),
    [
        ("INSERT INTO public.ship -- it's\n VALUES (1,'x');", []),
        ("INSERT INTO public.ship (a, -- it's\n b) VALUES (1,'x');", []),
        ("INSERT /* it's */ INTO public.ship (a,b) /* ( */ VALUES (1,'x');", []),
        ("INSERT INTO public.ship VALUES (1,'x') ON CONFLICT (a) DO NOTHING;", []),
        ("INSERT INTO public.ship VALUES (1,'x') RETURNING a; -- it's", []),
        ("INSERT INTO public.ship VALUES (1,'x')\n ON CONFLICT (a) DO UPDATE SET b = 'y;';", ["effect-unknown"]),
        ("INSERT INTO public.ship VALUES (1,'x') RETURNING pg_read_file('x');", ["hostile-statement"]),
        ("INSERT INTO public.ship VALUES (1,'x') ON CONFLICT (a) DO NOTHINC;", ["row-unreadable"]),
        ("INSERT INTO public.ship VALUES (1,'x') RETURNING 'a", ["row-unreadable"]),
    ],
)
def test_what_people_write_before_and_behind_rows(insert: str, codes: list[str], tmp_path: Path) -> None:
    run = _verified(tmp_path, postgresql(f"CREATE TABLE public.ship (a integer, b text);\n{insert}\n".encode()))

    assert [code for code in run.codes if code != "truncated"] == codes


def test_many_rows_with_comments_are_read_in_one_pass(tmp_path: Path) -> None:
    table = "CREATE TABLE public.ship (a integer, b text);\n"
    rows = ",\n".join(f"/* it's */ ({number}, 'x') -- said\n" for number in range(30_000))
    script = postgresql(f"{table}INSERT INTO public.ship VALUES {rows};\n".encode())
    begun = perf_counter()

    run = _verified(tmp_path, script)

    assert run.codes == [] and perf_counter() - begun < 15


def test_a_long_value_of_words_and_brackets_is_read_in_one_pass(tmp_path: Path) -> None:
    begun = perf_counter()
    for cell in ("(" + "a" * 1_000_000, "x'" * 300_000, "a b (" * 200_000, "$a(" * 300_000, "/*(" * 300_000):
        _postgresql(tmp_path, cell)
    assert perf_counter() - begun < 60, "five values of a megabyte each"

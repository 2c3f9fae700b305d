"""Real dumps, read, rehearsed, extracted and compared by the program."""

from __future__ import annotations

import sqlite3
import subprocess
import sys
from pathlib import Path

import pytest

from tests.backups import PACKERS, mysql, postgresql, tides
from tests.conftest import DUMPS, sospes, verdict_of

POSTGRESQL = ["postgresql-18.sql", "postgresql-17-inserts.sql.xz", "postgresql-18-verbose.sql.zst",
              "postgresql-15-rows.sql.bz2", "postgresql-15-cluster.sql.gz"]  # fmt: skip
MARIADB = ["mariadb-10.sql", "mariadb-10-single.sql.gz"]
ROWS = {
    "rescue.call_out": 400, "rescue.station": 4, "rescue.boat": 4, "public.seed": 2, "public.seed_lot": 50,
    "rescue.seed": 3, "public.nothing": 3, "public.empty_table": 0, "public.wide_key": 4, "public.kit": 2,
    "public.kit_child": 1, 'Old Logs.Log; "2019"\nINSERT INTO': 2,
}  # fmt: skip


def rows_of(document: dict[str, object]) -> dict[str, int]:
    """Rows by table, schema first where there is one."""
    return {f"{table['schema']}.{table['name']}" if table["schema"] else table["name"]: table["rows"]
            for table in document["result"]["tables"]}  # type: ignore[index]  # fmt: skip


@pytest.mark.parametrize("name", POSTGRESQL)
def test_postgresql_dumps_hold_what_was_put_in(name: str) -> None:
    document = sospes("verify", DUMPS / name, "--json").document

    assert (document["verdict"], document["rung"]) == ("sound", "intact")
    assert ROWS.items() <= rows_of(document).items()
    found = document["result"]
    assert (found["engine"], found["kind"], found["encoding"], found["complete"]) == (
        "postgresql",
        "full",
        "UTF8",
        True,
    )
    objects = {(item["kind"], item["schema"], item["name"]) for item in found["objects"]}
    assert {("view", "rescue", "busy"), ("index", "rescue", "call_out_began"), ("trigger", None, "call_out_touch"),
            ("function", "rescue", "knots"), ("sequence", "public", "ticket"), ("sequence", "rescue", "station_id_seq"),
            ("large object", None, "4242"), ("domain", "rescue", "call_sign")} <= objects  # fmt: skip


@pytest.mark.parametrize("name", MARIADB)
def test_mariadb_dumps_hold_what_was_put_in(name: str) -> None:
    document = sospes("verify", DUMPS / name, "--json").document

    assert document["verdict"] == "sound"
    assert rows_of(document) == {
        "boat": 3, "empty_table": 0, "kept": 2, "odd `name`; INSERT INTO": 3, "seed": 3, "seed_lot": 300, "station": 3,
    }  # fmt: skip
    found = document["result"]
    assert (found["engine"], found["databases"], found["written_at"][:10]) == (
        "mariadb",
        ["harbour"],
        "2026-11-23",
    )
    kinds = {item["kind"] for item in found["objects"]}
    assert {"view", "trigger", "event", "function", "procedure", "sequence", "index"} <= kinds


def test_two_databases_in_one_file_keep_their_tables_apart() -> None:
    document = sospes("inspect", DUMPS / "mariadb-10-two.sql.gz", "--contents", "--json").document

    stations = {t["database"]: t["rows"] for t in document["result"]["tables"] if t["name"] == "station"}
    assert stations == {"harbour": 3, "archive": 2}
    assert document["result"]["databases"] == ["harbour", "archive"]


def test_inspect_reads_only_the_head_and_the_tail() -> None:
    found = sospes("inspect", DUMPS / "postgresql-18.sql", "--json").document["result"]

    assert found["engine_version"] == "18.6"
    assert (found["tables"], found["kind"], found["complete"]) == (None, None, True)
    assert found["size_bytes"] == (DUMPS / "postgresql-18.sql").stat().st_size


@pytest.mark.parametrize("packing", PACKERS)
def test_all_containers_by_content(tmp_path: Path, packing: str) -> None:
    stored = PACKERS[packing](tides())
    (tmp_path / "night").write_bytes(stored)

    document = sospes("verify", tmp_path / "night", "--json").document

    assert (document["verdict"], rows_of(document)) == ("sound", {"public.tide": 40})
    assert document["result"]["bytes_read"] == len(stored)
    expected = None if packing == "plain" else packing.split("-", maxsplit=1)[0]
    assert document["result"]["compression"] == expected


def test_standard_input_and_pieces(tmp_path: Path) -> None:
    stored = PACKERS["gzip"](tides())
    command = [sys.executable, "-m", "sospes", "verify", "-", "--json"]
    piped = subprocess.run(command, input=stored, capture_output=True, timeout=60, check=False)
    assert piped.returncode == 0, piped.stderr

    pieces = [tmp_path / f"night.sql.gz.{number:03}" for number in range(3)]
    for number, piece in enumerate(pieces):
        piece.write_bytes(stored[number * 300 : (number + 1) * 300 if number < 2 else None])

    assert verdict_of("verify", *pieces) == ("sound", 0)
    assert verdict_of("rehearse", pieces[0], "--pieces", *pieces[1:]) == ("sound", 0)
    plain = (DUMPS / "postgresql-18.sql").read_bytes()
    letters = [tmp_path / f"night.sql.{first}{second}" for first in "ab" for second in "abcdefghijklmnopqrstuvwxyz"]
    for number, piece in enumerate(letters):
        piece.write_bytes(plain[number * 1800 : (number + 1) * 1800 if piece is not letters[-1] else None])
    assert verdict_of("verify", *letters) == ("sound", 0)
    assert verdict_of("verify", pieces[0])[0] == "unsound"
    assert verdict_of("verify", pieces[0], "--pieces", pieces[2], pieces[1])[0] == "unsound"


def test_one_giant_line_and_other_spellings_of_mysql(tmp_path: Path) -> None:
    rows = b",".join(
        b"(%d,'it\\'s (%d), \"x\"; -- y',0x0%d,_binary 'a\\0\\\\b',NULL,-1.5e3)" % (n, n, n % 10) for n in range(30000)
    )
    table = (
        b"CREATE TABLE `t` (`id` int, `a` text, `b` blob, `c` binary(4), `d` int, `e` double, PRIMARY KEY (`id`));\n"
    )
    body = table + b"INSERT INTO `t` VALUES " + rows + b";\n/*!50001 CREATE TABLE `v` (`n` int) ENGINE=MyISAM */;\n"
    view = b"/*!50001 CREATE ALGORITHM=UNDEFINED */\n/*!50013 DEFINER=`a`@`b` SQL SECURITY DEFINER */\n"
    view += b"/*!50001 VIEW `v` AS select 1 AS `n` */;\n"
    (tmp_path / "a.sql").write_bytes(mysql(body + view))

    document = sospes("verify", tmp_path / "a.sql", "--json").document

    assert (document["verdict"], rows_of(document)) == ("sound", {"t": 30000})
    assert (document["result"]["engine"], document["result"]["engine_version"]) == ("mysql", "8.0.36")
    assert sospes("rehearse", tmp_path / "a.sql").code == 0


def test_sql_mode_changes_how_strings_are_read(tmp_path: Path) -> None:
    mode = b"/*!40101 SET SQL_MODE='NO_BACKSLASH_ESCAPES,ANSI_QUOTES' */;\n"
    body = b'CREATE TABLE "t" ("id" int, "a" text);\n' + mode + b"INSERT INTO \"t\" VALUES (1,'C:\\'),(2,'a\\');\n"
    (tmp_path / "a.sql").write_bytes(mysql(mode + body))

    run = sospes("extract", tmp_path / "a.sql", "t", "--as", "csv")

    assert run.out == "" and run.code == 3  # no binary standard output in this process: the next line has it
    assert sospes("extract", tmp_path / "a.sql", "t", "--as", "csv", "--out", tmp_path / "t.csv").code == 0
    assert (tmp_path / "t.csv").read_text() == "id,a\n1,C:\\\n2,a\\\n"


@pytest.mark.parametrize("name", [*POSTGRESQL, *MARIADB, "mariadb-10-two.sql.gz", "sqlite-3.sql", "sqlite-3.sqlite"])
def test_rehearsal_loads_every_row_and_leaves_nothing_behind(tmp_path: Path, name: str) -> None:
    document = sospes("rehearse", DUMPS / name, "--json", "--work-folder", tmp_path).document

    assert (document["verdict"], document["rung"]) == ("sound", "loaded")
    assert sum(table["rows"] for table in document["result"]["tables"]) > 300
    assert {step["status"] for step in document["result"]["steps"]} == {"sound"}
    assert list(tmp_path.iterdir()) == []


def test_values_stay_exact_in_the_side_copy(tmp_path: Path) -> None:
    document = sospes("rehearse", DUMPS / "postgresql-18.sql", "--keep", "--json", "--work-folder", tmp_path).document

    copy = sqlite3.connect(document["result"]["side"]["location"])
    rows = copy.execute('SELECT code, budget, changed_at, "Founded On" FROM "rescue.station" ORDER BY id').fetchall()
    assert rows == [
        ("SKA", "123456789012345678901234567890.0123456789", "2026-11-22 01:04:05.678901+00", "1901-05-06"),
        ("007", "NaN", "infinity", None),
        ("a'b", "0.0000000001", "-infinity", "0044-03-15 BC"),
        ("-", None, None, None),
    ]
    kinds = copy.execute(
        'SELECT DISTINCT typeof(id), typeof(photo), typeof(wind), typeof(urgent) FROM "rescue.call_out"'
    ).fetchall()
    assert kinds == [("integer", "blob", "text", "text")]
    reports = dict(copy.execute('SELECT id, report FROM "rescue.call_out" WHERE id < 7').fetchall())
    assert reports == {1: None, 2: "a\\b\tc", 3: "\\N", 4: "\\.\n\\.", 5: "plain 5", 6: ""}
    assert copy.execute("SELECT rows FROM sospes_tables WHERE name = 'nothing'").fetchone() == (3,)
    assert copy.execute("PRAGMA integrity_check").fetchone() == ("ok",)
    copy.close()


def test_mariadb_values_stay_exact_raw_or_hex(tmp_path: Path) -> None:
    for name, part in (("mariadb-10.sql", ""), ("mariadb-10-two.sql.gz", "-harbour")):
        sospes("rehearse", DUMPS / name, "--keep", "--work-folder", tmp_path)
        copy = sqlite3.connect(next(tmp_path.glob(f"sospes-{name.split('.')[0]}{part}*.sqlite")))
        assert copy.execute("SELECT photo, token, mark, notes FROM boat WHERE sign = 'AB1'").fetchone() == (
            bytes.fromhex("00ff275c0a0d1a22"), bytes([0, 1, 2, 3]), b"", "line\nbreak \\ and \r\n(1,'x'),(2",
        )  # fmt: skip
        assert copy.execute("SELECT code, big, flags, built, kind FROM station WHERE id = 1").fetchone() == (
            "007", "18446744073709551615", b"\x0a\x07", "2026", "it's; odd",
        )  # fmt: skip
        copy.close()


def test_a_kept_side_copy_compares_equal_to_its_backup(tmp_path: Path) -> None:
    document = sospes("rehearse", DUMPS / "postgresql-18.sql", "--keep", "--json", "--work-folder", tmp_path).document

    copy = Path(document["result"]["side"]["location"])
    assert verdict_of("compare", copy, DUMPS / "postgresql-17-inserts.sql.xz") == ("sound", 0)


@pytest.mark.parametrize(
    ("left", "right"),
    [
        ("postgresql-18.sql", "postgresql-15-rows.sql.bz2"),
        ("postgresql-18.sql", "postgresql-18-data.sql.gz"),
        ("mariadb-10.sql", "mariadb-10-single.sql.gz"),
        ("sqlite-3.sql", "sqlite-3.sqlite"),
    ],
)
def test_forms_of_the_same_rows_compare_equal(left: str, right: str) -> None:
    run = sospes("compare", DUMPS / left, DUMPS / right, "--json")
    tables = run.document["result"]["tables"]

    assert all(t["left_rows"] == t["right_rows"] == t["same"] for t in tables)


def test_side_copy_keeps_names_that_sqlite_would_mix_up(tmp_path: Path) -> None:
    body = b"".join(
        b'CREATE TABLE public.%s (a integer, "A" integer);\n\nCOPY public.%s (a, "A") FROM stdin;\n1\t2\n\\.\n\n'
        % (name, name)
        for name in (b"boat", b'"Boat"', b'"sqlite_boat"', b'"sospes_tables"')
    )
    (tmp_path / "a.sql").write_bytes(postgresql(body))

    document = sospes("rehearse", tmp_path / "a.sql", "--keep", "--json", "--work-folder", tmp_path).document

    assert document["verdict"] == "sound"
    copy = sqlite3.connect(document["result"]["side"]["location"])
    held = [name for (name,) in copy.execute("SELECT held_name FROM sospes_tables").fetchall()]
    assert len({name.casefold() for name in held}) == 4
    assert all(copy.execute(f'SELECT * FROM "{name}"').fetchall() == [(1, 2)] for name in held)
    copy.close()

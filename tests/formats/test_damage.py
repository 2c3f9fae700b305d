"""Cut, flipped and otherwise damaged backups: nothing damaged is ever called sound."""

from __future__ import annotations

import random
from pathlib import Path

import pytest

from tests.backups import PACKERS, copy_table, mysql, postgresql, tides
from tests.conftest import DUMPS, sospes, verdict_of

WHOLE = {
    "postgresql": tides()[:1500].rsplit(b"\n", 1)[0] + b"\n\\.\n" + tides()[-60:],
    "restricted": (DUMPS / "postgresql-18-schema.sql").read_bytes(),
    "mysql": mysql(b"CREATE TABLE `t` (`id` int);\nINSERT INTO `t` VALUES (1),(2),(3);\n"),
    "sqlite": b"PRAGMA foreign_keys=OFF;\nBEGIN TRANSACTION;\nCREATE TABLE t(a);\nINSERT INTO t VALUES(1);\nCOMMIT;\n",
}


@pytest.mark.parametrize("engine", WHOLE)
def test_a_script_cut_anywhere_is_never_sound(tmp_path: Path, engine: str) -> None:
    whole = WHOLE[engine]
    step = max(1, len(whole) // 150)
    for kept in range(0, len(whole.rstrip()), step):
        (tmp_path / "a.sql").write_bytes(whole[:kept])
        assert verdict_of("verify", tmp_path / "a.sql")[0] != "sound", whole[max(0, kept - 40) : kept]


@pytest.mark.parametrize("packing", [name for name in PACKERS if name != "plain"])
def test_a_container_cut_or_flipped_anywhere_is_never_sound(tmp_path: Path, packing: str) -> None:
    whole = PACKERS[packing](tides())
    chance = random.Random(7)
    for _ in range(60):
        (tmp_path / "a").write_bytes(whole[: chance.randrange(len(whole))])
        assert verdict_of("verify", tmp_path / "a")[0] != "sound"
        flipped = bytearray(whole)
        flipped[chance.randrange(len(whole))] ^= 1 << chance.randrange(8)
        (tmp_path / "a").write_bytes(flipped)
        found = sospes("inspect", tmp_path / "a", "--contents", "--json").document
        same = found["result"]["tables"] and found["result"]["tables"][0]["rows"] == 40
        assert found["verdict"] != "sound" or same, "a changed byte that a checksum covers went unseen"


@pytest.mark.parametrize(
    ("row", "code"),
    [
        pytest.param(b"7\ttoo few\n", "row-shape", id="too-few-cells"),
        pytest.param(b"7\ta\tb\tc\td\n", "row-shape", id="too-many-cells"),
        pytest.param(b"7\t\\q\t1\tx\n", "row-text", id="escape-never-written"),
        pytest.param(b"7\ta\rb\t1\tx\n", "row-text", id="carriage-return"),
        pytest.param(b"7\ta\0b\t1\tx\n", "row-text", id="zero-byte"),
        pytest.param(b"7\ta\xe5b\t1\tx\n", "encoding-broken", id="no-utf-8"),
        pytest.param(b"pg_dump: error: query failed: server closed the connection\n", "row-shape", id="message"),
    ],
)
def test_each_damaged_row_is_placed(tmp_path: Path, row: bytes, code: str) -> None:
    lines = tides().split(b"\n")
    first = next(index for index, line in enumerate(lines) if line.startswith(b"1\t"))
    lines[first + 6] = row.rstrip(b"\n")
    lines[first + 20] = b"no shape at all"
    (tmp_path / "a.sql").write_bytes(b"\n".join(lines))

    document = sospes("verify", tmp_path / "a.sql", "--json").document
    rows = [item for item in document["findings"] if item["code"] != "zero-bytes"]
    found = sorted(rows, key=lambda item: item["place"]["row_from"])

    assert [item["code"] for item in found] == [code, "row-shape"]
    for item, number in zip(found, (7, 21), strict=True):
        place = item["place"]
        assert (place["table"], place["row_from"], place["row_to"]) == ("tide", number, number)
        assert place["line"] == first + number
    text = b"\n".join(lines)
    assert text[found[1]["place"]["plain_from"] :].startswith(b"no shape at all\n")


def test_all_faults_are_reported_not_only_the_first(tmp_path: Path) -> None:
    good = copy_table("public.a", [("x", "integer"), ("y", "text")], [["1", "b"], ["2", "c"]])
    bad = copy_table("public.b", [("x", "integer"), ("y", "text")], [["1", "b", "extra"]])
    body = bad + b"FRITTER AWAY;\n\n" + good + b"CREATE INDEX i ON public.nowhere USING btree (x);\n"
    (tmp_path / "a.sql").write_bytes(postgresql(body))

    run = sospes("verify", tmp_path / "a.sql", "--json")

    assert run.codes == ["row-shape", "statement-unreadable", "table-undefined"]
    tables = {table["name"]: (table["rows"], table["rows_damaged"]) for table in run.document["result"]["tables"]}
    assert tables == {"a": (2, 0), "b": (0, 1)}


def test_a_lost_closing_mark_does_not_swallow_the_next_table(tmp_path: Path) -> None:
    text = (DUMPS / "postgresql-18.sql").read_bytes()
    begin = text.index(b"COPY public.seed_lot")
    mark = text.index(b"\\.\n", begin)
    (tmp_path / "a.sql").write_bytes(text[:mark] + text[mark + 3 :])

    run = sospes("verify", tmp_path / "a.sql", "--json")

    assert "terminator-missing" in run.codes
    rows = {table["name"]: table["rows"] for table in run.document["result"]["tables"] if table["schema"] == "public"}
    assert (rows["seed_lot"], rows["tide_2025"]) == (50, 47)


@pytest.mark.parametrize(
    "line",
    [
        b"\\! touch /tmp/owned\n", b"\\copy public.tide TO '/tmp/x'\n", b"COPY public.tide FROM PROGRAM 'id';\n",
        b"ALTER SYSTEM SET fsync = off;\n", b"SELECT pg_read_file('/etc/passwd');\n", b"SELECT 1 \\! id\n;\n",
        b"DO $$ BEGIN PERFORM 1; END $$;\n", b"\\unrestrict guessed\n",
    ],
)  # fmt: skip
def test_what_reaches_outside_is_named(tmp_path: Path, line: bytes) -> None:
    (tmp_path / "a.sql").write_bytes(tides().replace(b"CREATE TABLE", line + b"CREATE TABLE", 1))

    run = sospes("verify", tmp_path / "a.sql", "--json")

    assert run.code == 1
    assert {"hostile-statement", "restriction-broken"} & set(run.codes)


def test_crlf_throughout_is_accepted_as_the_server_does(tmp_path: Path) -> None:
    (tmp_path / "a.sql").write_bytes(tides().replace(b"\n", b"\r\n"))
    (tmp_path / "b.sql").write_bytes(tides())

    assert verdict_of("verify", tmp_path / "a.sql") == ("sound", 0)
    assert verdict_of("compare", tmp_path / "a.sql", tmp_path / "b.sql") == ("sound", 0)


def test_line_ends_inside_values_that_were_converted_leave_a_doubt(tmp_path: Path) -> None:
    body = b"CREATE TABLE public.a (x text);\n\nINSERT INTO public.a VALUES ('one\ntwo');\n"
    (tmp_path / "a.sql").write_bytes(postgresql(body).replace(b"\n", b"\r\n"))

    run = sospes("verify", tmp_path / "a.sql", "--json")

    assert (run.code, run.codes) == (3, ["line-ends-changed"])


@pytest.mark.parametrize(
    "line", [b"pg_dump: warning: there are circular foreign-key constraints\n", b"mysqldump: Got errno 28 on write\n"]
)
@pytest.mark.parametrize("at_end", [True, False])
def test_a_message_of_another_program_is_named_and_nothing_else(tmp_path: Path, line: bytes, at_end: bool) -> None:
    (tmp_path / "a.sql").write_bytes(tides() + line if at_end else line + tides())

    assert sospes("verify", tmp_path / "a.sql", "--json").codes == ["foreign-text"]


def test_a_part_cut_out_of_the_middle_is_missed(tmp_path: Path) -> None:
    text = (DUMPS / "postgresql-18.sql").read_bytes()
    begin = text.index(b"ALTER TABLE ONLY public.seed_lot\n    ADD CONSTRAINT seed_lot_pkey")
    end = text.index(b"--\n-- Name:", begin)
    (tmp_path / "a.sql").write_bytes(text[:begin] + text[end:])
    assert sospes("verify", tmp_path / "a.sql", "--json").codes == ["statement-missing"]

    (tmp_path / "b.sql").write_bytes(text.replace(b"ADD CONSTRAINT seed_lot_pkey", b"ADD CONSTRAINT seed_lou_pkey"))
    assert sospes("verify", tmp_path / "b.sql", "--json").codes == ["announced-otherwise"]


def test_a_two_megabyte_cell(tmp_path: Path) -> None:
    row = ["1", "2026-01-01", "1", "x" * (2 << 20)]
    (tmp_path / "a.sql").write_bytes(tides([row, ["2", "\\N", "\\N", "small"]]))
    insert = b"CREATE TABLE `t` (`a` longtext);\nINSERT INTO `t` VALUES ('" + b"y\\'(" * (1 << 19) + b"'),('b');\n"
    (tmp_path / "b.sql").write_bytes(mysql(insert))

    assert verdict_of("rehearse", tmp_path / "a.sql") == ("sound", 0)
    assert verdict_of("rehearse", tmp_path / "b.sql") == ("sound", 0)


def test_encodings_other_than_utf8(tmp_path: Path) -> None:
    latin = tides([["1", "\\N", "1", "Måsevik Ærø"]]).decode().replace("'UTF8'", "'LATIN1'").encode("latin-1")
    (tmp_path / "a.sql").write_bytes(latin)
    (tmp_path / "b.sql").write_bytes(tides([["1", "\\N", "1", "Måsevik Ærø"]]))
    (tmp_path / "c.sql").write_bytes(latin.replace(b"'LATIN1'", b"'UTF8'"))

    assert sospes("inspect", tmp_path / "a.sql", "--json").document["result"]["encoding"] == "LATIN1"
    assert verdict_of("compare", tmp_path / "a.sql", tmp_path / "b.sql") == ("sound", 0)
    assert sospes("verify", tmp_path / "c.sql", "--json").codes == ["encoding-broken"]


def test_sqlite_files_cut_damaged_or_with_a_log_beside(tmp_path: Path) -> None:
    whole = (DUMPS / "sqlite-3.sqlite").read_bytes()
    (tmp_path / "cut.db").write_bytes(whole[:-4096])
    (tmp_path / "bad.db").write_bytes(whole[: 3 * 4096] + bytes(4096) + whole[4 * 4096 :])

    assert sospes("verify", tmp_path / "cut.db", "--json").codes == ["truncated"]
    assert verdict_of("verify", tmp_path / "bad.db") == ("unsound", 1)


def test_rows_in_a_log_beside_a_sqlite_file_count_and_nothing_is_changed(tmp_path: Path) -> None:
    import shutil
    import sqlite3

    live = sqlite3.connect(tmp_path / "live.db", isolation_level=None)
    live.execute("PRAGMA journal_mode=WAL")
    live.execute("CREATE TABLE tide (id INTEGER PRIMARY KEY, height REAL)")
    live.execute("PRAGMA wal_checkpoint(TRUNCATE)")
    live.execute("INSERT INTO tide VALUES (1, 2.5), (2, 3.5)")
    folder = tmp_path / "backup"
    folder.mkdir()
    for ending in ("", "-wal"):
        shutil.copyfile(f"{tmp_path}/live.db{ending}", f"{folder}/live.db{ending}")
    before = {path.name: path.read_bytes() for path in folder.iterdir()}

    document = sospes("verify", folder / "live.db", "--json").document

    assert (document["verdict"], document["result"]["tables"][0]["rows"]) == ("sound", 2)
    assert {path.name: path.read_bytes() for path in folder.iterdir()} == before
    live.close()


def test_zero_bytes_are_told_of_wherever_they_stand(tmp_path: Path) -> None:
    whole = WHOLE["restricted"]
    at = whole.index(b"-- Name: ") + 12
    (tmp_path / "a.sql").write_bytes(whole[:at] + bytes(5) + whole[at + 5 :])

    run = sospes("verify", tmp_path / "a.sql", "--json")

    assert "zero-bytes" in run.codes
    assert run.document["findings"][0]["place"]["plain_from"] == at


def test_a_checksum_around_an_archive_is_checked_to_its_end(tmp_path: Path) -> None:
    whole = bytearray((DUMPS / "postgresql-17.tar.gz").read_bytes())
    whole[-6] ^= 1  # in the checksum itself, behind all that the tar has
    (tmp_path / "a.tar.gz").write_bytes(whole)

    assert sospes("verify", tmp_path / "a.tar.gz", "--json").codes == ["container-damaged"]
    refused = sospes("extract", tmp_path / "a.tar.gz", "rescue.station", "--out", tmp_path / "s.sql", "--json")
    assert refused.code == 1 and not (tmp_path / "s.sql").exists()


def test_an_insert_without_rows_is_no_statement(tmp_path: Path) -> None:
    script = WHOLE["sqlite"].replace(b"INSERT INTO t VALUES(1);", b"INSERT INTO tPRAGMA foreign_keys=OFF;")
    (tmp_path / "a.sql").write_bytes(script)

    assert "statement-unreadable" in sospes("verify", tmp_path / "a.sql", "--json").codes

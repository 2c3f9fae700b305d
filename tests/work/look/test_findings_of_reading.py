"""Findings of `verify`, `inspect`, `extract` and embedded rehearsals, each by its code, on the smallest file that has it."""

from __future__ import annotations

import gzip
import lzma
import os
import re
import shutil
import sqlite3
import time
from collections.abc import Callable
from contextlib import closing
from pathlib import Path

import pytest

from sospes.sides.embedded import keys as embedded_keys
from tests.backups import archive, archive_integer, copy_table, mysql, postgresql, tides
from tests.conftest import DUMPS, sospes

NUMBERS = [("x", "integer")]


def _codes(*words: str | Path) -> dict[str, str]:
    """All findings of a run, notes too, with their severities."""
    return {found["code"]: found["severity"] for found in sospes(*words, "--json").document["findings"]}


@pytest.fixture
def night(tmp_path: Path) -> Callable[[bytes], Path]:
    def write(data: bytes) -> Path:
        path = tmp_path / "night.sql"
        path.write_bytes(data)
        return path

    return write


Night = Callable[[bytes], Path]

# -- text


def test_crlf_line_ends(night: Night) -> None:
    assert _codes("verify", night(tides().replace(b"\n", b"\r\n")))["crlf-line-ends"] == "note"
    assert "crlf-line-ends" not in _codes("verify", night(tides()))


def test_definition_damaged(night: Night) -> None:
    said = b"COMMENT ON TABLE public.a IS 'H\xc3\xb8yvann';\n\n\n"
    assert _codes("verify", night(postgresql(copy_table("public.a", NUMBERS, []) + said))) == {}
    damaged = said.replace(b"\xc3\xb8", b"\xc3\x38")
    codes = _codes("verify", night(postgresql(copy_table("public.a", NUMBERS, []) + damaged)))
    assert codes == {"definition-damaged": "fault"}


def test_rows_lost_and_text_lost_and_rows_unplaced(tmp_path: Path) -> None:
    """Three members; the middle one is gone, in the midst of rows, of a statement, and up to their closing mark."""
    rows = [[str(number)] for number in range(4000)]
    whole = postgresql(copy_table("public.a", NUMBERS, rows) + copy_table("public.b", NUMBERS, rows))
    found: set[str] = set()
    for first, last in ((9_000, 14_000), (9_000, 30_000), (300, 9_000), (18_000, 19_300)):
        parts = [gzip.compress(part) for part in (whole[:first], whole[first:last], whole[last:])]
        middle = bytearray(parts[1])
        middle[20:60] = bytes(40)
        path = tmp_path / "night.sql.gz"
        path.write_bytes(parts[0] + bytes(middle) + parts[2])
        codes = _codes("verify", path)
        assert codes["container-damaged"] == "fault"
        found |= codes.keys()
    assert {"rows-lost", "rows-unplaced", "text-lost"} <= found


def test_rows_garbled(tmp_path: Path) -> None:
    """Many bad rows in one damaged member are one finding."""
    rows = [[str(number), f"gauge {number}"] for number in range(60_000)]
    packed = bytearray(gzip.compress(postgresql(copy_table("public.a", [*NUMBERS, ("y", "text")], rows)), 1))
    middle = len(packed) // 2
    packed[middle : middle + 8] = bytes(8)
    (tmp_path / "a.sql.gz").write_bytes(packed)
    codes = _codes("verify", tmp_path / "a.sql.gz")
    assert codes["container-damaged"] == "fault" and {"rows-garbled", "row-misshapen", "truncated"} & codes.keys()


def test_more_row_faults_and_more_bad_values(night: Night) -> None:
    odd = [["1"], ["1", "2"]] * 2_000
    codes = _codes("verify", night(postgresql(copy_table("public.a", NUMBERS, odd))))
    assert codes["more-row-faults"] == "fault"
    words = [["tall"]] * 2_000
    assert _codes("verify", night(postgresql(copy_table("public.a", NUMBERS, words))))["more-bad-values"] == "fault"


def test_type_unknown(night: Night) -> None:
    text = postgresql(copy_table("public.a", [("x", "public.depth")], [["1"]]))
    assert _codes("verify", "--values", night(text))["type-unknown"] == "note"
    made = postgresql(
        b"CREATE DOMAIN public.depth AS integer;\n\n\n" + copy_table("public.a", [("x", "public.depth")], [["1"]])
    )
    assert "type-unknown" not in _codes("verify", "--values", night(made))


def test_reference_outside_and_table_elsewhere(night: Night) -> None:
    key = b"ALTER TABLE ONLY public.a\n    ADD CONSTRAINT a_fk FOREIGN KEY (x) REFERENCES public.b(x);\n\n\n"
    assert (
        _codes("verify", night(postgresql(copy_table("public.a", NUMBERS, [["1"]]) + key)))["reference-outside"]
        == "note"
    )
    brings = b"CREATE EXTENSION IF NOT EXISTS postgis WITH SCHEMA public;\n\n\n"
    rows = b"COPY public.spatial_ref_sys (srid) FROM stdin;\n1\n\\.\n\n\n"
    whole = postgresql(brings + copy_table("public.a", NUMBERS, [["1"]]) + rows)
    codes = _codes("verify", night(whole))
    assert codes["table-elsewhere"] == "note" and "table-undefined" not in codes
    assert _codes("verify", night(whole.replace(b"postgis", b"citext")))["table-undefined"] == "fault"


def test_keys_not_checked_from_standard_input(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    path = tmp_path / "night.sql"
    path.write_bytes(tides())
    import subprocess
    import sys

    command = [sys.executable, "-m", "sospes", "verify", "--values", "-", "--json"]
    done = subprocess.run(command, input=path.read_bytes(), capture_output=True, check=False)
    assert done.returncode == 3 and b'"keys-not-checked"' in done.stdout
    assert "keys-not-checked" not in _codes("verify", "--values", path)


# -- containers


def test_several_members_and_trailing_bytes(tmp_path: Path) -> None:
    whole = tides()
    (tmp_path / "a.sql.gz").write_bytes(gzip.compress(whole[:500]) + gzip.compress(whole[500:]))
    assert _codes("verify", tmp_path / "a.sql.gz")["several-members"] == "note"
    (tmp_path / "a.sql.gz").write_bytes(gzip.compress(whole) + b"disk quota exceeded\n")
    assert _codes("verify", tmp_path / "a.sql.gz")["trailing-bytes"] == "doubt"
    (tmp_path / "a.sql.xz").write_bytes(lzma.compress(whole) + b"disk quota exceeded\n")
    assert _codes("verify", tmp_path / "a.sql.xz")["trailing-bytes"] == "doubt"


# -- archives


def test_contents_repeated_and_data_misplaced_and_damaged(tmp_path: Path) -> None:
    whole = (DUMPS / "postgresql-15.dump").read_bytes()
    assert _codes("verify", DUMPS / "postgresql-18-repeated.dump")["contents-repeated"] == "note"
    tables = sospes("inspect", DUMPS / "postgresql-15.dump", "--contents", "--json").document["result"]
    entry = next(item for item in tables["entries"] if item["kind"] == "table data" and item["stored_bytes"])
    name = f"{entry['schema']}.{entry['name']}"
    found: set[str] = set()
    for at in range(len(whole) - 4_000, len(whole), 37):
        (tmp_path / "a.dump").write_bytes(whole[:at] + bytes([whole[at] ^ 0x55]) + whole[at + 1 :])
        found |= _codes("verify", tmp_path / "a.dump").keys()
        if {"data-damaged", "data-unexpected"} <= found:
            break
    assert found & {"data-damaged", "data-unexpected", "container-damaged"}
    (tmp_path / "a.dump").write_bytes(whole[:-2_000])
    run = sospes("extract", tmp_path / "a.dump", name, "--out", tmp_path / "out.sql")
    assert run.code in {0, 1, 3}


def test_data_misplaced(tmp_path: Path) -> None:
    """An offset of the contents leads elsewhere, which shows to who goes by it."""
    whole = (DUMPS / "postgresql-15.dump").read_bytes()
    tables = sospes("inspect", DUMPS / "postgresql-15.dump", "--contents", "--json").document["result"]["tables"]
    name = f"{tables[0]['schema']}.{tables[0]['name']}"
    codes: set[str] = set()
    for at in [match.start() for match in re.finditer(rb"\x02[\x00-\xff]{2,3}\x00{5}", whole[:60_000])]:
        (tmp_path / "a.dump").write_bytes(whole[: at + 1] + bytes([whole[at + 1] ^ 0x10]) + whole[at + 2 :])
        codes |= set(
            sospes("extract", tmp_path / "a.dump", name, "--out", tmp_path / "x.sql", "--overwrite", "--json").codes
        )
        if "data-misplaced" in codes:
            return
    raise AssertionError(codes)


def test_data_missing(tmp_path: Path) -> None:
    """The contents list rows that never come."""
    whole = archive(14, None)
    (tmp_path / "a.dump").write_bytes(whole[: whole.rindex(b"\x01" + archive_integer(3))])
    assert _codes("verify", tmp_path / "a.dump")["data-missing"] == "fault"


def test_member_unlisted_and_large_object_empty(tmp_path: Path) -> None:
    folder = tmp_path / "night"
    shutil.copytree(DUMPS / "postgresql-18.dir", folder)
    (folder / "blob_99999.dat").write_bytes(b"left over")
    assert _codes("verify", folder)["member-unlisted"] == "fault"
    (folder / "blob_99999.dat").unlink()
    lists = sorted(folder.glob("blobs*.toc"))
    if not lists:
        pytest.skip("the sample has no large objects")
    listed = lists[0].read_bytes()
    lists[0].write_bytes(listed + b"99999 blob_99999.dat\n")
    (folder / "blob_99999.dat.lz4").write_bytes(b"")
    assert _codes("verify", folder)["large-object-empty"] == "note"


# -- SQLite files


@pytest.fixture
def database(tmp_path: Path) -> Path:
    path = tmp_path / "log.db"
    with closing(sqlite3.connect(path)) as connection, connection:
        connection.execute("CREATE TABLE crew (id integer PRIMARY KEY, name text, boat integer REFERENCES boat)")
        connection.execute("CREATE TABLE boat (id integer PRIMARY KEY)")
        connection.executemany("INSERT INTO crew VALUES (?, ?, NULL)", [(n, f"name {n}" * 20) for n in range(3000)])
        connection.execute("CREATE INDEX crew_name ON crew (name)")
    return path


def test_engine_check_failed_and_rows_unreadable(database: Path) -> None:
    whole = database.read_bytes()
    pages = len(whole) // 4096
    found: set[str] = set()
    for page in (pages // 4, pages // 2, pages - 2):
        for odd in (b"\xff", b"\0"):
            database.write_bytes(whole[: page * 4096] + odd * 4096 + whole[(page + 1) * 4096 :])
            found |= {code for code, severity in _codes("verify", database).items() if severity == "fault"}
    assert {"engine-check-failed", "rows-unreadable"} <= found


def test_rows_before_a_damaged_page_are_counted(database: Path) -> None:
    whole = database.read_bytes()
    middle = len(whole) // 4096 // 3
    database.write_bytes(whole[: middle * 4096] + b"\xff" * 4096 + whole[(middle + 1) * 4096 :])
    tables = {
        table["name"]: table["rows"] for table in sospes("verify", database, "--json").document["result"]["tables"]
    }
    assert 100 < tables["crew"] < 3000 and tables["boat"] == 0


def test_copied_with_log(database: Path, tmp_path: Path) -> None:
    with closing(sqlite3.connect(database)) as connection:
        connection.execute("PRAGMA journal_mode=WAL")
        connection.execute("INSERT INTO boat VALUES (1)")
        connection.commit()
        for name in ("log.db", "log.db-wal"):
            shutil.copy(tmp_path / name, tmp_path / f"copy-{name}")
    (tmp_path / "copy-log.db-wal").rename(tmp_path / "copy.db-wal")
    (tmp_path / "copy-log.db").rename(tmp_path / "copy.db")
    assert _codes("verify", tmp_path / "copy.db")["copied-with-log"] == "note"


def test_references_unchecked(database: Path) -> None:
    with closing(sqlite3.connect(database)) as connection, connection:
        connection.execute("CREATE TABLE berth (x integer REFERENCES crew (name))")
        connection.execute("INSERT INTO berth VALUES (1)")
    assert _codes("verify", database)["references-unchecked"] == "note"


# -- embedded side copies


def test_no_tables(night: Night) -> None:
    assert _codes("rehearse", night(postgresql(b"CREATE SCHEMA rescue;\n\n\n")))["no-tables"] == "note"


def test_table_not_held(night: Night) -> None:
    columns = [(f"c{number}", "integer") for number in range(2_001)]
    row = [[str(number) for number in range(2_001)]]
    assert _codes("rehearse", night(postgresql(copy_table("public.wide", columns, row))))["table-not-held"] == "doubt"


def test_rows_miscounted(night: Night, monkeypatch: pytest.MonkeyPatch) -> None:
    """A side copy that lost a row on its disk: here somebody takes it away while it is checked."""
    declared = embedded_keys.Keys.declare

    def taken(self: embedded_keys.Keys) -> None:
        self._copy.connection.execute('DELETE FROM "public.tide" WHERE rowid = 1')
        declared(self)

    monkeypatch.setattr(embedded_keys.Keys, "declare", taken)
    assert _codes("rehearse", night(tides()))["rows-miscounted"] == "fault"


def test_side_copy_damaged() -> None:
    assert embedded_keys.condition_broken("row 3 missing from index x", {}).code == "side-copy-damaged"
    assert embedded_keys.condition_broken("NULL value in crew.name", {}).code == "null-forbidden"


# -- extracts and seals


def test_extract_may_lack(tmp_path: Path) -> None:
    rows = [[str(number)] for number in range(100)]
    whole = postgresql(copy_table("public.a", NUMBERS, rows, "x") + copy_table("public.b", NUMBERS, rows, "x"))
    (tmp_path / "a.sql").write_bytes(whole[: whole.index(b"COPY public.b") + 60])
    codes = _codes("extract", tmp_path / "a.sql", "public.a", "--out", tmp_path / "out.sql")
    assert codes["extract-may-lack"] == "doubt"


@pytest.fixture
def sealed(tmp_path: Path) -> Path:
    """A sealed backup whose first table it pays to step over."""
    rows = [[str(number), "x" * 40] for number in range(120_000)]
    path = tmp_path / "night.sql"
    columns = [*NUMBERS, ("y", "text")]
    path.write_bytes(postgresql(copy_table("public.a", columns, rows) + copy_table("public.b", columns, rows[:50])))
    assert sospes("seal", path).code == 0
    return path


def test_a_seal_leads_to_a_table_and_is_not_used_once_bytes_changed(sealed: Path, tmp_path: Path) -> None:
    """By way of the seal the first table's rows are never looked at: damage in them shows to nobody."""
    out = tmp_path / "b.sql"
    whole = sealed.read_bytes()
    at = whole.index(b"\n60000\t") + 1
    sealed.write_bytes(whole[:at] + b"\t" + whole[at + 1 :])
    codes = _codes("extract", sealed, "public.b", "--out", out)
    assert codes == {}, codes
    assert out.read_bytes().count(b"x" * 40) == 50
    assert sospes("verify", sealed, "--no-seal").code == 1

    at = whole.index(b"COPY public.b") + 40
    sealed.write_bytes(whole[:at] + whole[at : at + 1].swapcase() + whole[at + 1 :])
    assert "seal-not-used" in _codes("extract", sealed, "public.b", "--out", out, "--overwrite")


def test_a_seal_that_counts_other_rows_is_told(sealed: Path, tmp_path: Path) -> None:
    seal = Path(f"{sealed}.seal")
    import hashlib
    import json

    body = json.loads(seal.read_bytes().split(b"\n")[0])
    next(table for table in body["tables"] if table["name"] == "b")["rows"] = 49
    line = json.dumps(body, separators=(",", ":"), ensure_ascii=False).encode()
    closing_line = json.dumps({"digest": hashlib.sha256(line).hexdigest(), "signature": None}).encode()
    seal.write_bytes(line + b"\n" + closing_line + b"\n")
    codes = _codes("extract", sealed, "public.b", "--out", tmp_path / "b.sql")
    assert codes["rows-missing"] == "fault"


def test_seal_older_and_sealed_unproven(tmp_path: Path) -> None:
    path = tmp_path / "night.sql"
    path.write_bytes(tides())
    sospes("seal", path)
    later = time.time() + 3_600
    os.utime(path, (later, later))
    assert _codes("verify", path)["seal-older"] == "note"
    path.write_bytes(b"CREATE TABLE a (x integer);\nINSERT INTO a VALUES (1);\n")
    sospes("seal", path, "--overwrite")
    assert _codes("verify", "--quick", path)["sealed-unproven"] == "doubt"


def test_databases_in_a_backup_of_mysql_are_kept_apart(night: Night) -> None:
    body = b"".join(
        b"CREATE DATABASE `%s`;\nUSE `%s`;\nCREATE TABLE `a` (`x` int);\n" % (name, name) for name in (b"p", b"q")
    )
    tables = sospes("verify", night(mysql(body)), "--json").document["result"]["tables"]
    assert [(table["database"], table["name"]) for table in tables] == [("p", "a"), ("q", "a")]

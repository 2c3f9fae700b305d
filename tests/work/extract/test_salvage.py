"""Damage is kept to its place: what lies behind it is read, what is sound is saved, and the rest is listed."""

from __future__ import annotations

import bz2
import gzip
import json
import lzma
import time
from collections.abc import Callable
from pathlib import Path

import lz4.frame
import pytest
import zstandard

from tests.backups import copy_table, mysql, postgresql
from tests.conftest import sospes

ROWS = 3000
NAMES = [f"public.t{number}" for number in range(6)]


def _script() -> bytes:
    """Six tables of 3,000 rows, about 700 kB."""
    columns = [("id", "integer NOT NULL"), ("label", "text"), ("height", "numeric(6,2)")]
    parts = []
    for table, name in enumerate(NAMES):
        rows = [
            [str(row), f"pier {row * 7919 % 10007} of {table}", f"{row % 90}.{row % 100:02}"] for row in range(ROWS)
        ]
        parts.append(copy_table(name, columns, rows, "id"))
    return postgresql(b"".join(parts))


SCRIPT = _script()


def _parts(pack: Callable[[bytes], bytes]) -> bytes:
    size = -(-len(SCRIPT) // 8)
    return b"".join(pack(SCRIPT[at : at + size]) for at in range(0, len(SCRIPT), size))


PACKED = {
    "gzip": _parts(gzip.compress),
    "bzip2": bz2.compress(SCRIPT, 1),
    "bzip2-streams": _parts(lambda part: bz2.compress(part, 1)),
    "xz": _parts(lzma.compress),
    "zstandard": _parts(zstandard.ZstdCompressor(write_checksum=True).compress),
    "lz4": lz4.frame.compress(SCRIPT, block_linked=False, block_checksum=True, content_checksum=True),
}


@pytest.mark.parametrize("share", [0.3, 0.55, 0.8])
@pytest.mark.parametrize("packing", PACKED)
def test_what_lies_behind_a_damaged_member_or_block_is_read(tmp_path: Path, packing: str, share: float) -> None:
    damaged = bytearray(PACKED[packing])
    at = int(len(damaged) * share)
    damaged[at] ^= 0x10
    (tmp_path / "a").write_bytes(damaged)

    document = sospes("verify", tmp_path / "a", "--json").document

    assert document["verdict"] == "unsound"
    cause = document["findings"][0]
    assert cause["code"] == "container-damaged"
    assert cause["place"]["stored_from"] <= at
    assert at <= cause["place"]["stored_to"] or packing == "lz4"  # whose checksum stands behind the block
    tables = {table["name"]: table for table in document["result"]["tables"]}
    whole = [name for name, table in tables.items() if table["rows"] == ROWS and not table["rows_doubtful"]]
    assert len(whole) >= 3, "tables on both sides of the damage come through"
    assert len(whole) < 6


@pytest.mark.parametrize("packing", PACKED)
def test_salvage_takes_only_right_rows_and_says_what_is_missing(tmp_path: Path, packing: str) -> None:
    damaged = bytearray(PACKED[packing])
    damaged[len(damaged) // 2] ^= 0x10
    (tmp_path / "a").write_bytes(damaged)
    refused = [
        name
        for name in NAMES
        if sospes("extract", tmp_path / "a", name, "--out", tmp_path / f"{name}.sql", "--json").code == 1
    ]
    assert 1 <= len(refused) <= 3

    run = sospes("extract", tmp_path / "a", refused[-1], "--salvage", "--out", tmp_path / "saved.sql", "--json")

    saved = (tmp_path / "saved.sql").read_bytes()
    sound = set(SCRIPT.split(b"\n"))
    assert run.code == 1
    missing = [json.loads(line) for line in (tmp_path / "saved.sql.missing.jsonl").read_text().splitlines()]
    assert missing == run.document["result"]["missing"] and missing
    uncertain = any(item["used"] for item in missing)
    rows = [line for line in saved.split(b"\n") if line.count(b"\t") == 2]
    assert uncertain or all(row in sound for row in rows)


def test_a_damaged_row_costs_one_row_and_its_neighbours_keys_are_told(tmp_path: Path) -> None:
    lines = SCRIPT.split(b"\n")
    first = next(index for index, line in enumerate(lines) if line.startswith(b"0\tpier"))
    lines[first + 1000] = lines[first + 1000].replace(b"\t", b" ", 1)
    (tmp_path / "a.sql").write_bytes(b"\n".join(lines))

    refused = sospes("rehearse", tmp_path / "a.sql", "--json")
    saved = sospes("rehearse", tmp_path / "a.sql", "--salvage", "--json").document["result"]

    assert refused.codes == ["row-shape", "table-refused"]
    assert "t0" not in {table["name"] for table in refused.document["result"]["tables"]}
    assert {table["name"]: table["rows"] for table in saved["tables"]}["t0"] == ROWS - 1
    [item] = saved["missing"]
    assert (item["row_from"], item["key_columns"], item["key_before"], item["key_after"]) == (
        1001,
        ["id"],
        ["999"],
        ["1001"],
    )


def test_a_lost_quote_costs_one_tuple_of_a_long_statement(tmp_path: Path) -> None:
    rows = ",".join(f"({row},'berth ({row})','x')" for row in range(2000)).encode()
    script = mysql(b"CREATE TABLE `t` (`id` int, `a` text, `b` text);\nINSERT INTO `t` VALUES " + rows + b";\n")
    (tmp_path / "a.sql").write_bytes(script.replace(b"(900,'berth", b"(900,\x07berth"))

    document = sospes("verify", tmp_path / "a.sql", "--json").document

    assert document["verdict"] == "unsound"
    assert document["result"]["tables"][0]["rows"] == 1999


def test_damage_in_an_archive_leaves_the_other_tables(tmp_path: Path) -> None:
    from tests.conftest import DUMPS

    whole = (DUMPS / "postgresql-15.dump").read_bytes()
    found = {
        table["name"]: table["rows"]
        for table in sospes("verify", DUMPS / "postgresql-15.dump", "--json").document["result"]["tables"]
    }
    damaged = bytearray(whole)
    at = whole.rindex(b"\x78\x01") if b"\x78\x01" in whole[-3000:] else len(whole) - 900
    damaged[at + 40] ^= 4
    (tmp_path / "a.dump").write_bytes(damaged)

    document = sospes("verify", tmp_path / "a.dump", "--json").document

    assert document["verdict"] == "unsound"
    same = [table for table in document["result"]["tables"] if table["rows"] == found[table["name"]]]
    assert len(same) >= len(found) - 1


def test_a_bomb_is_left_alone(tmp_path: Path) -> None:
    packed = zstandard.ZstdCompressor(level=10).compress(SCRIPT[:2000] + b"a" * (200 << 20))
    (tmp_path / "a.zst").write_bytes(packed)

    run = sospes("verify", tmp_path / "a.zst", "--json")

    assert "unpacks-too-far" in run.codes and run.code in {1, 3}
    assert "unpacks-too-far" not in sospes("verify", tmp_path / "a.zst", "--unpack-ratio", "1000000", "--json").codes


def test_many_tiny_members_take_linear_time(tmp_path: Path) -> None:
    lines = [f"{row}\tx\t1.00\n".encode() for row in range(3000)]
    table = copy_table("public.t", [("id", "integer"), ("a", "text"), ("b", "numeric")], [])
    begin, end = postgresql(table).split(b"\\.\n")
    (tmp_path / "a.gz").write_bytes(b"".join(map(gzip.compress, [begin, *lines, b"\\.\n" + end])))

    document = sospes("verify", tmp_path / "a.gz", "--json").document

    assert (document["verdict"], document["result"]["tables"][0]["rows"]) == ("sound", 3000)


@pytest.mark.parametrize("statements", ["one for many rows", "one for each row"])
def test_many_lost_quotes_cost_little_more_time_than_none(tmp_path: Path, statements: str) -> None:
    head = b"INSERT INTO `t` VALUES "
    tuples = [b"(%d,'berth (%d), it''s # %d','x -- y')" % (row, row % 97, row) for row in range(40_000)]
    damaged = [item.replace(b",'berth", b",berth") if row % 200 == 77 else item for row, item in enumerate(tuples)]
    texts = []
    for rows in (tuples, damaged):
        parts = [rows[at : at + 20_000] for at in range(0, len(rows), 20_000)]
        joined = [b",".join(part) for part in parts] if statements == "one for many rows" else rows
        texts.append(b"".join(head + part + b";\n" for part in joined))
    seconds, verdicts = [], []
    for name, text in zip(("whole.sql", "damaged.sql"), texts, strict=True):
        (tmp_path / name).write_bytes(mysql(b"CREATE TABLE `t` (\n  `id` int,\n  `a` text,\n  `b` text\n);\n" + text))
        begin = time.perf_counter()
        verdicts.append(sospes("verify", tmp_path / name, "--json").document)
        seconds.append(time.perf_counter() - begin)

    assert [document["verdict"] for document in verdicts] == ["sound", "unsound"]
    assert 39_000 < verdicts[1]["result"]["tables"][0]["rows"] < 40_000
    assert seconds[1] < 8 * seconds[0] + 8

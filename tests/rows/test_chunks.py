"""Chunks of lines: nothing is lost, the same lines give the same chunks, and live tables are passed over by them."""

from __future__ import annotations

import random
from decimal import Decimal, InvalidOperation, localcontext
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from sospes.rows.chunks import MOST_BYTES, Cutter
from sospes.rows.copied import lines_batch
from sospes.rows.typed.cells import ColumnsOf
from sospes.rows.typed.sums import ColumnTotal
from tests.backups import copy_table, postgresql
from tests.conftest import sospes
from tests.servers import PostgresServer

LINES = st.lists(st.binary(max_size=40).map(lambda line: line.replace(b"\n", b"-")), max_size=400)


def _chunks(lines: list[bytes], at_once: int) -> list[bytes]:
    cutter = Cutter()
    found: list[bytes] = []
    for first in range(0, len(lines), at_once):
        data = b"".join(line + b"\n" for line in lines[first : first + at_once])
        found += [bytes(chunk) for chunk in cutter.cut(data)]
    return [*found, *(bytes(chunk) for chunk in cutter.last())]


def _many(count: int) -> list[bytes]:
    dice = random.Random(7)
    return [b"%d\t%d\tnotes on the tide" % (number, dice.randrange(10**9)) for number in range(count)]


@given(LINES, st.integers(1, 50))
def test_chunks_are_the_lines(lines: list[bytes], at_once: int) -> None:
    assert b"".join(_chunks(lines, at_once)) == b"".join(line + b"\n" for line in lines)


def test_the_same_lines_give_the_same_chunks_in_whatever_blocks_they_come() -> None:
    lines = _many(20_000)
    whole = _chunks(lines, len(lines))

    assert 30 < len(whole) < 300
    assert _chunks(lines, 777) == whole and _chunks(lines, 5000) == whole


def test_a_line_more_or_less_changes_the_chunk_around_it_only() -> None:
    lines = _many(20_000)
    changed = [*lines[:5000], *lines[5001:9000], b"new", *lines[9000:]]

    before, after = set(_chunks(lines, 3000)), set(_chunks(changed, 3000))

    assert 0 < len(before - after) <= 4 and len(after - before) <= 4


def test_lines_without_any_place_to_cut_at_are_cut_by_size() -> None:
    lines = [b"calm" * 16] * 60_000
    found = _chunks(lines, 10_000)

    assert max(map(len, found)) <= MOST_BYTES and found == _chunks(lines, 999)
    assert [len(chunk) for chunk in _chunks([b"x" * (3 * MOST_BYTES), b"y"], 1)] == [3 * MOST_BYTES + 1, 2]


NUMBERS = st.one_of(
    st.decimals(allow_nan=False, allow_infinity=False, places=2).map(lambda number: format(number, "f")),
    st.integers(-(10**30), 10**30).map(str),
    st.sampled_from(["\\N", "NaN", "", "-", ".", "-.5", "5.", "1.2.3", "+3", "1e5", "--1", "-0.00", "x"]),
)


@given(st.lists(NUMBERS, min_size=1, max_size=8))
def test_totals_of_a_column_are_exact(cells: list[str]) -> None:
    batch = lines_batch("".join(f"{cell}\tx\n" for cell in cells).encode(), 2)
    found = ColumnTotal(summed=True)
    found.add(ColumnsOf(batch).column(0))

    expected, values, strange = Decimal(0), 0, 0
    with localcontext() as context:
        context.prec = 100
        for cell in cells:
            try:
                number = Decimal(cell)
            except InvalidOperation:
                strange += cell != "\\N"
                continue
            if number.is_finite():
                expected, values = expected + number, values + 1
            else:
                strange += 1
    assert (found.sum, found.values, found.nulls, found.strange) == (expected, values, cells.count("\\N"), strange)


@pytest.mark.servers
@pytest.mark.parametrize("aside", [1 << 28, 0], ids=["set aside", "read again"])
def test_a_live_table_is_passed_over_by_chunks(
    postgres: PostgresServer, tmp_path: Path, monkeypatch: pytest.MonkeyPatch, aside: int
) -> None:
    """Rows in another order of columns, without a key and doubled, changed, gone and new."""
    monkeypatch.setattr("sospes.work.compare.lines.MOST_ASIDE", aside)
    rows = [[str(n), f"note {n * 7919 % 10007}", f"{n % 90}.25"] for n in range(5000)]
    columns = [("id", "integer NOT NULL"), ("note", "text"), ("height", "numeric(6,2)")]
    keyed = copy_table("public.tide", columns, rows, "id")
    keyless = copy_table("public.log_line", [("text", "text")], [["calm"], ["calm"], ["storm"]], "")
    (tmp_path / "night.sql").write_bytes(postgresql(keyed + keyless))
    postgres.run_sql("postgres", "CREATE DATABASE chunks")
    try:
        address = postgres.address("chunks")
        postgres.run_sql("chunks", "CREATE TABLE tide (height numeric(6,2), id integer PRIMARY KEY, note text)")
        postgres.run_sql("chunks", "CREATE TABLE log_line (text text)")
        values = ",".join(f"({height}, {number}, '{note}')" for number, note, height in rows)
        postgres.run_sql(
            "chunks", f"INSERT INTO tide VALUES {values}; INSERT INTO log_line VALUES ('calm'), ('storm'), ('calm')"
        )
        command: list[str | Path] = ["compare", "--rows-only", tmp_path / "night.sql", address, "--json"]
        assert sospes(*command).document["verdict"] == "sound"

        postgres.run_sql("chunks", "DELETE FROM tide WHERE id = 40; UPDATE tide SET note = 'x' WHERE id = 4000")
        postgres.run_sql("chunks", "INSERT INTO tide VALUES (1, 9000, 'late'); INSERT INTO log_line VALUES ('calm')")
        tables = {table["name"]: table for table in sospes(*command).document["result"]["tables"]}
        counts = ("left_rows", "right_rows", "same", "only_left", "only_right", "changed")
        assert [tables["tide"][key] for key in counts] == [5000, 5000, 4998, 1, 1, 1]
        assert [tables["log_line"][key] for key in counts] == [3, 4, 3, 0, 1, 0]
        sums = {total["column"]: (total["left_sum"], total["right_sum"]) for total in tables["tide"]["totals"]}
        assert sums["id"] == ("12497500", str(12497500 - 40 + 9000))
    finally:
        postgres.run_sql("postgres", "DROP DATABASE chunks")

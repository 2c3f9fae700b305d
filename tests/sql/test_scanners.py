"""Properties of the scanners: any chunking gives the same events, any bytes give events or findings."""

from __future__ import annotations

import io
import time
from collections.abc import Iterator
from pathlib import Path

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from sospes.formats.archive.bytestream import BlockStream
from sospes.formats.archive.joining import Joiner, joined_rows
from sospes.formats.form import Head, Stored, everything
from sospes.formats.opening import Opening, open_backup
from sospes.formats.script.reader import ScriptReader
from sospes.model.entries import Engine, Entry
from sospes.model.events import Batch, Event, Notation, RowsEnd
from sospes.model.findings import Finding
from sospes.model.types import Hold
from sospes.places.streamed import Streamed
from sospes.rows.decoding import held_rows
from sospes.rows.writing import csv_header, csv_lines
from sospes.sql.lexis import Lexis
from sospes.sql.rows.copy_lines import may_hold, split_copy
from sospes.sql.rows.value_tuples import continuation, ends_within, split_slowly, split_values
from sospes.stream.containers import Block
from sospes.stream.plain import PlainText
from tests.backups import PACKERS, archive_integer, copy_table, mysql, postgresql
from tests.conftest import DUMPS

LEXES = {
    "postgresql": Lexis(Engine.POSTGRESQL),
    "mariadb": Lexis(Engine.MARIADB, escapes=True),
    "sqlite": Lexis(Engine.SQLITE),
}
FILES = {"postgresql-18.sql": "postgresql", "mariadb-10.sql": "mariadb", "sqlite-3.sql": "sqlite"}


def blocks(data: bytes, cuts: list[int]) -> Iterator[Block | Finding]:
    """The data in blocks that end at the cuts."""
    ends = sorted({cut % (len(data) + 1) for cut in cuts} | {len(data)})
    start = 0
    for end in ends:
        if end > start:
            yield Block(data[start:end], start, end)
            start = end


def events(data: bytes, engine: str, cuts: list[int]) -> list[Event]:
    source = Streamed("-", io.BytesIO(data))
    stored = Stored(source, PlainText(source), Head(data, (), None, whole=True))
    return list(ScriptReader(stored, LEXES[engine], everything, blocks(data, cuts)).events())


def summary(found: list[Event]) -> list[object]:
    """What must not depend on where blocks end: entries, row counts, findings, and all rows."""
    told: list[object] = []
    rows: list[object] = []
    for event in found:
        if isinstance(event, Batch):
            rows += held_rows(event, [Hold.TEXT] * event.width, lambda row, column, cell: rows.append(cell))
        elif isinstance(event, Entry):
            told.append((event.kind, event.name, event.definition, event.plain_from, event.line))
        elif isinstance(event, RowsEnd | Finding):
            told.append(event)
    return [*told, rows]


@pytest.mark.parametrize("name", FILES)
@settings(max_examples=25, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(cuts=st.lists(st.integers(0, 1 << 20), max_size=30))
def test_any_chunking_gives_the_same_events(name: str, cuts: list[int]) -> None:
    data = (DUMPS / name).read_bytes()

    assert summary(events(data, FILES[name], cuts)) == summary(events(data, FILES[name], []))


def test_one_byte_at_a_time() -> None:
    data = postgresql(copy_table("public.a", [("x", "integer"), ("y", "text")], [["1", "\\N"], ["2", "\\\\."]], "x"))

    assert summary(events(data, "postgresql", list(range(len(data))))) == summary(events(data, "postgresql", []))


PIECES = st.sampled_from([
    b"COPY public.t (a, b) FROM stdin;\n", b"1\t2\n", b"\\.\n", b"\n", b"--\n", b"-- Name: t; Type: TABLE; Schema: s; Owner: o\n",
    b"INSERT INTO t VALUES (", b"'", b"''", b"\\", b"\"", b"`", b"$$", b"$x$", b");\n", b"(1,'a'),", b";", b"/*", b"*/", b"/*!40101 ",
    b"CREATE TABLE t (a int, b text);\n", b"DELIMITER ;;\n", b"E'", b"\0", b"\xff\xfe", b"\r\n", b"BEGIN ATOMIC ", b"CREATE FUNCTION f() ",
    b"CASE ", b"END", b"\\connect x\n", b"\\restrict k\n", b"BEGIN TRANSACTION;\n", b"COMMIT;\n", b"replace('a','b',char(10))", b"[",
])  # fmt: skip


@pytest.mark.parametrize("engine", LEXES)
@settings(max_examples=150, deadline=None)
@given(parts=st.lists(st.one_of(PIECES, st.binary(max_size=20)), max_size=40))
def test_any_bytes_give_events_or_findings(engine: str, parts: list[bytes]) -> None:
    found = events(b"".join(parts), engine, [])

    assert any(isinstance(event, Finding) for event in found) or not b"".join(parts).strip()


@settings(max_examples=60, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(
    data=st.binary(max_size=300),
    head=st.sampled_from([b"", b"\x1f\x8b\x08", b"BZh9", b"\xfd7zXZ\0", b"\x28\xb5\x2f\xfd", b"SQLite format 3\0"]),
)
def test_any_file_can_be_opened_and_read(tmp_path: Path, data: bytes, head: bytes) -> None:
    (tmp_path / "a").write_bytes(head + data)

    opened = open_backup([tmp_path / "a"], Opening())

    assert any(isinstance(event, Finding) for event in opened.events())


def copy_text(value: str | None) -> str:
    """A value as COPY writes it."""
    if value is None:
        return "\\N"
    for char, said in (("\\", "\\\\"), ("\t", "\\t"), ("\n", "\\n"), ("\r", "\\r")):
        value = value.replace(char, said)
    return value


TEXT = st.one_of(st.none(), st.text(st.characters(codec="utf-8", exclude_characters="\0"), max_size=12))


@settings(max_examples=80, deadline=None)
@given(rows=st.lists(st.tuples(TEXT, TEXT, TEXT), min_size=1, max_size=30))
def test_any_values_survive_copy_insert_and_csv(rows: list[tuple[str | None, ...]]) -> None:
    def literal(value: str | None) -> str:
        return "NULL" if value is None else "'" + value.replace("'", "''") + "'"

    def escaped(value: str | None) -> str:
        if value is None:
            return "NULL"
        return "'" + value.replace("\\", "\\\\").replace("'", "\\'").replace("\n", "\\n") + "'"

    names = [("a", "text"), ("b", "text"), ("c", "text")]
    scripts = {
        "copy": (
            postgresql(copy_table("public.t", names, [[copy_text(v) for v in row] for row in rows])),
            "postgresql",
        ),
        "insert": (_inserts("public.t (a, b, c)", rows, literal), "postgresql"),
        "mysql": (mysql(_inserts("`t`", rows, escaped)), "mariadb"),
        "sqlite": (_inserts("t", rows, literal), "sqlite"),
    }
    for data, engine in scripts.values():
        found: list[object] = []
        for event in events(data, engine, []):
            if isinstance(event, Batch):
                found += held_rows(event, [Hold.TEXT] * 3, lambda *_: pytest.fail("a good cell was refused"))
        assert found == rows
    assert csv_header(["a", "b"]) + csv_lines([("", None)]) == b'a,b\r\n"",\r\n'


def _inserts(target: str, rows: list[tuple[str | None, ...]], literal: object) -> bytes:
    lines = (f"INSERT INTO {target} VALUES ({', '.join(map(literal, row))});\n" for row in rows)  # type: ignore[call-overload]
    return "".join(lines).encode()


@given(
    st.lists(st.sampled_from([b"a", b"\t", b"\n", b"\\N", b"\\\\", b"\x01", b"\\q"]), max_size=60), st.integers(0, 4)
)
def test_copy_lines_are_judged_alike_fast_and_slow(parts: list[bytes], width: int) -> None:
    data = b"".join(parts) + b"\n"
    lines = data.split(b"\n")[:-1]

    split = split_copy(data, width, crlf=False)

    def shaped(line: bytes) -> bool:
        return (line.count(b"\t") + 1 if width or line else 0) == width

    odd = {row.row for row in split.odd}
    assert {index for index, line in enumerate(lines) if not shaped(line)} <= odd
    assert split.rows == len(lines) - len(odd)
    assert split.data.count(b"\n") == split.rows


@given(st.binary(max_size=40))
def test_pairs_are_found_at_any_offset(data: bytes) -> None:
    import numpy as np

    assert may_hold(np.frombuffer(data, dtype=np.uint8), b"\\.") == (b"\\." in data)


@pytest.mark.parametrize("engine", LEXES)
@pytest.mark.parametrize(
    "piece", [b"(", b"'", b"/*", b"--", b"$a$", b"INSERT INTO t VALUES (1,'", b";;;;", b"\\\n", b"\n\\."]
)
def test_time_is_linear_in_hostile_input(engine: str, piece: bytes) -> None:
    def seconds(size: int) -> float:
        data = b"CREATE TABLE t (a int);\n" + piece * (size // len(piece))
        begin = time.perf_counter()
        events(data, engine, [])
        return time.perf_counter() - begin

    seconds(1 << 14)
    small, large = max(seconds(1 << 15), 0.01), seconds(1 << 18)
    assert large < small * 80, "eight times the input may take eight times as long, with room for noise"


@pytest.mark.parametrize("packing", PACKERS)
def test_containers_inside_containers(tmp_path: Path, packing: str) -> None:
    script = postgresql(copy_table("public.a", [("x", "integer")], [["1"]]))
    (tmp_path / "a").write_bytes(PACKERS["gzip"](PACKERS[packing](script)))

    found = list(open_backup([tmp_path / "a"], Opening()).events())

    assert sum(event.rows for event in found if isinstance(event, Batch) and event.notation is Notation.COPY) == 1


@settings(max_examples=100, deadline=None)
@given(st.lists(st.tuples(TEXT, st.integers(-9, 9)), min_size=1, max_size=20), st.booleans())
def test_rows_are_found_alike_at_once_and_one_by_one(rows: list[tuple[str | None, int]], slashes: bool) -> None:
    """The fast way, the careful way and the check for an end agree on where the first row ends."""
    lexis = LEXES["mariadb" if slashes else "postgresql"]

    def literal(value: str | None) -> str:
        if value is None:
            return "NULL"
        value = value.replace("\\", "\\\\") if slashes else value
        return "'" + value.replace("'", "''") + "'"

    block = ",".join(f"({literal(text)},f(({number})))" for text, number in rows).encode()
    quick, careful = (
        split_values(block, block, lexis, continuation(b"INSERT INTO t VALUES", lexis)),
        split_slowly(block, lexis),
    )

    assert len(quick.starts) == len(rows)
    assert quick.ends[0] == careful.ends[0] and quick.cells[0] == careful.cells[0] == 2
    assert quick.commas[:1].tolist() == careful.commas.tolist()
    assert ends_within(block, lexis)
    assert not ends_within(block[: int(quick.ends[0])], lexis)


@settings(max_examples=100, deadline=None)
@given(st.lists(st.binary(min_size=0, max_size=30), max_size=40), st.integers(0, 6))
def test_blocks_of_an_archive_are_joined_whatever_they_hold(lines: list[bytes], cut: int) -> None:
    blocks = [line + b"\n" for line in lines]
    stored = b"".join(archive_integer(len(block)) + block for block in blocks) + archive_integer(0)
    stream = BlockStream(iter([Block(stored + b"rest", 0, 0)]))

    joined = b"".join(block.data for block in Joiner(stream, 5, rows=False).blocks())
    assert joined == b"".join(blocks) and stream.read(4) == b"rest"
    text, used = joined_rows(stored[: len(stored) - cut])
    assert b"".join(blocks).startswith(text)
    assert used == len(text) + 5 * sum(1 for _ in _prefix(blocks, len(text)))


def _prefix(blocks: list[bytes], length: int) -> Iterator[bytes]:
    """The blocks that make up the first `length` bytes."""
    for block in blocks:
        if length <= 0:
            return
        yield block
        length -= len(block)


def test_a_damaged_quote_costs_neither_memory_nor_the_other_tables(tmp_path: Path) -> None:
    rows = b",\n".join(b"(%d,'a reading of the gauge at Skarholm')" % n for n in range(60_000))
    one = b"CREATE TABLE `a` (`id` int, `t` text);\nINSERT INTO `a` VALUES\n" + rows + b";\n"
    text = mysql(one + one.replace(b"`a`", b"`b`"))
    place = text.index(b"'a reading", 200_000)
    (tmp_path / "a.sql").write_bytes(text[:place] + b"&" + text[place + 1 :])

    found = list(open_backup([tmp_path / "a.sql"], Opening()).events())

    assert any(isinstance(event, Finding) and event.code == "row-unreadable" for event in found)
    assert sum(event.rows for event in found if isinstance(event, RowsEnd) and event.table.name == "b") == 60_000

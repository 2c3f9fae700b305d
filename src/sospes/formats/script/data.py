"""The rows of a script: COPY sections and runs of INSERT statements, checked and cut into batches."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field

import numpy as np

from sospes.formats.script.copy_rows import OddRow, may_hold, split_copy
from sospes.formats.script.lexis import Lexis
from sospes.formats.script.value_rows import Irregular, ValueRows, continuation, split_slowly, split_values
from sospes.formats.script.window import Window
from sospes.model.entries import Column, Engine, Entry, Name
from sospes.model.events import Batch, Event, Notation
from sospes.model.findings import Finding, Place, fault

MOST_FINDINGS = 50
"""Findings about single rows of one table; further odd rows are counted and summed up in one more."""

BLOCK = 1 << 19
"""Tuples are looked for in blocks of this many bytes, and more only where one is longer."""

LONGEST_ROW = 256 << 20
"""A tuple that has not ended after so many bytes is damaged if statements seem to follow inside it."""

_BINARY_TYPE = re.compile(
    r"\s*(?:tiny|medium|long)?blob|\s*(?:var)?binary|\s*bit\b|\s*(?:multi)?(?:point|linestring|polygon)|\s*geometry|"
    r"\s*vector|\s*bytea",
    re.I,
)
_STATEMENT_END = re.compile(rb"\s*(?:on\s+conflict\s+do\s+nothing\s*)?;", re.I)
_NEXT_STATEMENT = re.compile(rb"\n(?=INSERT |--\n-- |CREATE |UNLOCK |/\*M?!|COPY |ALTER |SELECT |COMMIT)")
_BANNER = re.compile(rb"(?:\A|\n)(?=--\n-- (?:Name: |Data for |PostgreSQL database))")


def is_binary(type_text: str) -> bool:
    """Whether a column's type holds bytes rather than text."""
    return _BINARY_TYPE.match(type_text) is not None


@dataclass(slots=True, kw_only=True)
class DataRun:
    """One run of rows while it is read: what is known before, and the counts so far."""

    table: Name
    columns: tuple[str, ...] | None
    entry: Entry | None
    notation: Notation
    opening: bytes
    encoding: str
    lexis: Lexis
    crlf: bool = False
    wanted: bool = True
    rows: int = 0
    damaged: int = 0
    width: int = -1
    _reported: int = field(default=0)

    def __post_init__(self) -> None:
        if self.columns is not None:
            self.width = len(self.columns)

    @property
    def next_row(self) -> int:
        """The number of the next row, counted from 1."""
        return self.rows + self.damaged + 1

    def row_fault(self, code: str, rows: tuple[int, int], message: str, place: Place) -> Iterator[Finding]:
        """A fault about rows `rows[0]` to `rows[1]`, as long as there are not too many."""
        self._reported += 1
        if self._reported > MOST_FINDINGS:
            return
        which = f"row {rows[0]:,}" if rows[0] == rows[1] else f"rows {rows[0]:,} to {rows[1]:,}"
        yield fault(
            code,
            f"{self.table.label}, {which}: {message}",
            "the row is damaged; take it from another backup, or extract the other tables",
            place,
        ).at(
            database=self.table.database,
            schema=self.table.schema,
            table=self.table.name,
            row_from=rows[0],
            row_to=rows[1],
        )

    def remainder(self) -> Iterator[Finding]:
        """One finding for all row faults beyond the most that are listed."""
        if self._reported > MOST_FINDINGS:
            yield fault(
                "more-row-faults",
                f"{self.table.label}: {self._reported - MOST_FINDINGS:,} more stretches of damaged rows",
                "the table is damaged throughout; take it from another backup",
                Place(database=self.table.database, schema=self.table.schema, table=self.table.name),
            )


def empty_rows(rows: int, notation: Notation, plain_from: int, line: int) -> Batch:
    """Rows of a table without columns."""
    return Batch(
        notation=notation, data=b"", rows=rows, width=0, encoding="utf-8", first_row=1,
        plain_from=plain_from, plain_to=plain_from, line=line,
    )  # fmt: skip


def read_copy(window: Window, run: DataRun) -> Iterator[Event]:
    """The rows of a COPY section, up to and with its closing mark."""
    while True:
        end, after = _copy_end(window)
        cut = end if end >= 0 else window.data.rfind(b"\n", window.position) + 1
        if end < 0 and window.ended:
            yield from _copy_block(window, run, max(cut, window.position))
            yield from _copy_truncated(window, run)
            return
        if cut > window.position:
            banner = yield from _copy_block(window, run, cut)
            if banner:
                return
        if end >= 0:
            window.advance(after)
            yield from run.remainder()
            return
        window.grow(2 * window.left)


def _copy_end(window: Window) -> tuple[int, int]:
    """Where the rows end and where the next statement may begin; (-1, -1) if the window holds no closing mark."""
    data, start = window.data, window.position
    if not data.startswith(b"\\.", start):
        if not may_hold(np.frombuffer(data, dtype=np.uint8, offset=start), b"\\."):
            return -1, -1
        found = data.find(b"\n\\.", start) + 1
    else:
        found = start
    while found > 0 or data.startswith(b"\\.", start):
        rest = data[found + 2 : found + 4]
        if rest.startswith(b"\n"):
            return found, found + 3
        if rest == b"\r\n":
            return found, found + 4
        if rest in {b"", b"\r"}:
            return (found, len(data)) if window.ended else (-1, -1)
        found = data.find(b"\n\\.", found + 1) + 1
        if found == 0:
            break
    return -1, -1


def _copy_block(window: Window, run: DataRun, end: int) -> Iterator[Event]:
    """Rows up to `end`; returns True if the section turned out to end without its mark."""
    start, line = window.position, window.line
    data = window.data[start:end]
    plain_from = window.offset
    if not run.wanted or not data:
        window.advance(end)
        return False
    if run.width < 0:  # rows without a column list, of a table without a definition
        first = data[: data.find(b"\n")].rstrip(b"\r")
        run.width = first.count(b"\t") + 1 if first else 0
    split = split_copy(data, run.width, run.crlf)
    lost = _banner_in(data, split.odd[0].start) if split.odd else -1
    if lost >= 0:
        data = data[:lost]
        split = split_copy(data, run.width, run.crlf)
        end = start + lost
    first_row = run.next_row
    yield from _odd_findings(run, split.odd, plain_from, line, data)
    block = _Block(data, first_row, plain_from, line)
    yield from _encoding_faults(run, block, {row.row for row in split.odd})
    run.rows += split.rows
    run.damaged += len(split.odd)
    window.advance(end)
    if split.rows:
        batch = Batch(
            notation=Notation.COPY, data=split.data, rows=split.rows, width=run.width, encoding=run.encoding,
            first_row=first_row, plain_from=plain_from, plain_to=plain_from + len(data), line=line,
            skipped=tuple(row.row for row in split.odd),
        )  # fmt: skip
        yield batch
    if lost >= 0:
        yield from run.row_fault(
            "terminator-missing",
            (run.next_row - 1, run.next_row - 1),
            "after it the rows go over into other statements, their closing mark is gone",
            Place(plain_from=window.offset, line=window.line),
        )
        return True
    return False


def _banner_in(data: bytes, start: int) -> int:
    match = _BANNER.search(data, max(0, start - 1))
    return match.end() if match else -1


def _odd_findings(
    run: DataRun, odd: Sequence[OddRow], plain_from: int, line: int, data: bytes
) -> Iterator[Finding]:
    """One fault for each stretch of neighbouring rows with the same problem."""
    first_row = run.next_row
    index = 0
    while index < len(odd):
        begin = last = odd[index]
        while (
            index + 1 < len(odd)
            and odd[index + 1].row == last.row + 1
            and odd[index + 1].problem == begin.problem
        ):
            index += 1
            last = odd[index]
        place = Place(
            plain_from=plain_from + begin.start,
            plain_to=plain_from + last.end,
            line=line + data.count(b"\n", 0, begin.start),
        )
        code = "row-shape" if "cells" in begin.problem else "row-text"
        yield from run.row_fault(
            code, (first_row + begin.row, first_row + last.row), _reworded(data, begin), place
        )
        index += 1


def _reworded(data: bytes, odd: OddRow) -> str:
    text = data[odd.start : odd.start + 200]
    if b": error:" in text or b"ERROR" in text or b"pg_dump:" in text:
        return f"{odd.problem}; it reads like a program's message: {text.decode('utf-8', 'replace').strip()[:100]}"
    return odd.problem


def _copy_truncated(window: Window, run: DataRun) -> Iterator[Finding]:
    rest = window.data[window.position :]
    place = Place(
        plain_from=window.offset, plain_to=window.offset + len(rest), line=window.line,
        database=run.table.database, schema=run.table.schema, table=run.table.name, row_from=run.next_row,
    )  # fmt: skip
    window.advance(len(window.data))
    yield from run.remainder()
    where = (
        f"in row {run.next_row:,} of {run.table.label}"
        if rest
        else f"after row {run.next_row - 1:,} of {run.table.label}"
    )
    yield fault(
        "truncated",
        f"the text ends {where}: its closing mark and all that follows are gone",
        "the file was cut off: copy it again, or take the backup again",
        place,
    )


@dataclass(frozen=True, slots=True)
class _Block:
    """Whole lines of COPY text and where they stand."""

    data: bytes
    first_row: int
    plain_from: int
    line: int


def _encoding_faults(run: DataRun, block: _Block, odd: set[int]) -> Iterator[Finding]:
    """Text that is not valid in the script's character set, row by row; rows in `odd` are told of already."""
    if block.data.isascii():
        return
    try:
        block.data.decode(run.encoding)
        return
    except UnicodeDecodeError:
        pass
    position = 0
    for index, row in enumerate(block.data.split(b"\n")):
        try:
            row.decode(run.encoding)
        except UnicodeDecodeError as error:
            number = block.first_row + index
            place = Place(
                plain_from=block.plain_from + position + error.start,
                plain_to=block.plain_from + position + error.end,
                line=block.line + index,
            )
            message = f"bytes that are no {run.encoding.upper()} text: {row[error.start : error.end].hex()}"
            if index not in odd:
                yield from run.row_fault("encoding-broken", (number, number), message, place)
        position += len(row) + 1


def read_values(window: Window, run: DataRun) -> Iterator[Event]:
    """The rows of an INSERT statement and of all that follow with the same head."""
    gap = continuation(run.opening)
    size = BLOCK
    while True:
        if window.left < size:
            window.grow(size)
        block = window.data[window.position : window.position + size]
        split = _split(block, run.lexis, gap)
        if len(split.starts) == 0:
            more = window.left > len(block) or not window.ended
            if not more or (size > LONGEST_ROW and _NEXT_STATEMENT.search(block)):
                yield from _values_lost(window, run)
                return
            size *= 2
            continue
        size = BLOCK
        line, plain_from = window.line, window.offset
        end = int(split.ends[-1]) + 1
        yield from _value_batch(run, block[:end], split, plain_from, line)
        window.advance(window.position + end)
        if not _next_row(window, gap):
            break
    yield from run.remainder()
    yield from _after_values(window, run)


def _split(block: bytes, lexis: Lexis, gap: re.Pattern[bytes]) -> ValueRows:
    try:
        return split_values(block, lexis, gap)
    except Irregular:
        return split_slowly(block, lexis)


def _next_row(window: Window, gap: re.Pattern[bytes]) -> bool:
    """Step over what stands between two rows; False if something else comes."""
    if window.left < 1 << 14:
        window.grow(1 << 14)
    match = gap.match(window.data, window.position)
    if match is None:
        return False
    window.advance(match.end())
    return True


def _after_values(window: Window, run: DataRun) -> Iterator[Finding]:
    """The statement has to end behind its last row."""
    match = _STATEMENT_END.match(window.data, window.position)
    if match is not None:
        window.advance(match.end())
        return
    if not window.data[window.position :].strip() and window.ended:
        yield from _values_lost(window, run)
        return
    text = window.data[window.position : window.position + 40]
    place = Place(plain_from=window.offset, line=window.line)
    resume = _NEXT_STATEMENT.search(window.data, window.position)
    window.advance(resume.end() if resume else len(window.data))
    yield from run.row_fault(
        "row-unreadable",
        (run.next_row, run.next_row),
        f"a comma or the statement's end was expected after the row before it, not {text!r}",
        place,
    )


def _values_lost(window: Window, run: DataRun) -> Iterator[Finding]:
    """No row begins or ends here any more."""
    begin, line = window.offset, window.line
    resume = _NEXT_STATEMENT.search(window.data, window.position)
    window.advance(resume.end() if resume else len(window.data))
    place = Place(
        plain_from=begin, plain_to=window.offset, line=line, database=run.table.database, schema=run.table.schema,
        table=run.table.name, row_from=run.next_row,
    )  # fmt: skip
    yield from run.remainder()
    if resume is None:
        yield fault(
            "truncated",
            f"the text ends in row {run.next_row:,} of {run.table.label}, or a quote before it is damaged",
            "the file was cut off or damaged: copy it again, or take the backup again",
            place,
        )
        return
    yield fault(
        "row-unreadable",
        f"{run.table.label}: from row {run.next_row:,} on, quotes or brackets no longer agree",
        "a byte there is damaged; reading went on at the next statement",
        place,
    )


def _value_batch(run: DataRun, block: bytes, split: ValueRows, plain_from: int, line: int) -> Iterator[Event]:
    if run.width < 0:
        run.width = int(split.cells[0])
    rows = len(split.starts)
    shaped = split.cells == run.width
    first_row = run.next_row
    if not shaped.all():
        yield from _misshapen(run, block, split, np.flatnonzero(~shaped), (plain_from, line))
    kept = int(shaped.sum())
    run.rows += kept
    run.damaged += rows - kept
    if not kept or not run.wanted:
        return
    owner = np.repeat(shaped, split.cells - 1)
    commas = split.commas[owner].reshape(kept, run.width - 1)
    starts = np.concatenate((split.starts[shaped][:, None] + 1, commas + 1), axis=1)
    ends = np.concatenate((commas, split.ends[shaped][:, None]), axis=1)
    batch = Batch(
        notation=run.notation, data=block, rows=kept, width=run.width, encoding=run.encoding, first_row=first_row,
        plain_from=plain_from, plain_to=plain_from + len(block), line=line, starts=starts, ends=ends,
        skipped=tuple(np.flatnonzero(~shaped).tolist()),
    )  # fmt: skip
    yield from _cell_encoding_faults(run, batch)
    yield batch


def _misshapen(
    run: DataRun, block: bytes, split: ValueRows, rows: np.ndarray, at: tuple[int, int]
) -> Iterator[Finding]:
    for row in rows:
        start, end = int(split.starts[row]), int(split.ends[row]) + 1
        place = Place(
            plain_from=at[0] + start, plain_to=at[0] + end, line=at[1] + block.count(b"\n", 0, start)
        )
        number = run.next_row + int(row)
        message = f"has {int(split.cells[row])} values where {run.width} are expected"
        yield from run.row_fault("row-shape", (number, number), message, place)


def _cell_encoding_faults(run: DataRun, batch: Batch) -> Iterator[Finding]:
    """Text cells that are not valid in the script's character set; binary columns may hold any byte."""
    if batch.data.isascii() or batch.starts is None or batch.ends is None:
        return
    try:
        batch.data.decode(run.encoding)
        return
    except UnicodeDecodeError:
        if run.entry is None:
            return
    binary = [is_binary(column.type) for column in columns_of_run(run.entry, run.columns)]
    for row in range(batch.rows):
        for column in range(batch.width):
            cell = batch.data[batch.starts[row, column] : batch.ends[row, column]]
            if (
                cell.isascii()
                or (column < len(binary) and binary[column])
                or cell.lstrip()[:7].lower() == b"_binary"
            ):
                continue
            try:
                cell.decode(run.encoding)
            except UnicodeDecodeError as error:
                start = int(batch.starts[row, column]) + error.start
                place = Place(
                    plain_from=batch.plain_from + start, plain_to=batch.plain_from + start + error.end - error.start,
                    line=batch.line + batch.data.count(b"\n", 0, start),
                )  # fmt: skip
                number = batch.number_of(row)
                message = (
                    f"bytes that are no {run.encoding.upper()} text: {cell[error.start : error.end].hex()}"
                )
                yield from run.row_fault("encoding-broken", (number, number), message, place)


def columns_of_run(entry: Entry, names: tuple[str, ...] | None) -> list[Column]:
    """The columns that the values of a run belong to, in order.

    Without a list of names they are all columns of the table; SQLite leaves generated ones out.
    """
    if names is None:
        return list(entry.columns)
    known = {column.name: column for column in entry.columns}
    return [known.get(name, Column(name=name, type="")) for name in names]


def default_names(entry: Entry | None, engine: Engine) -> tuple[str, ...] | None:
    """The column names of rows that state none: as the table is defined."""
    if entry is None:
        return None
    return tuple(
        column.name for column in entry.columns if not (column.generated and engine is Engine.SQLITE)
    )

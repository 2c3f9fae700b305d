"""COPY sections: from the first row to the closing mark, checked and cut into batches."""

from __future__ import annotations

import re
from collections.abc import Generator, Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from sospes.model.events import Batch, Event, Notation
from sospes.model.findings import Finding, Place
from sospes.sql.characters import first_broken, without_marks
from sospes.sql.rows.copy_lines import OddRow, may_hold, split_copy
from sospes.sql.rows.run import DataRun
from sospes.sql.window import Window

NEAR = 4096
"""Bytes in which the end of a short section is looked for first."""

_BANNER = re.compile(rb"(?:\A|\n)(?=--\n-- (?:Name: |Data for |PostgreSQL database))")


def read_copy(window: Window, run: DataRun) -> Iterator[Event]:
    """The rows of a COPY section, up to and with its closing mark."""
    while True:
        end, after = _copy_end(window)
        cut = end if end >= 0 else window.data.rfind(b"\n", window.position) + 1
        if end < 0 and window.ended:
            yield from _copy_block(window, run, max(cut, window.position))
            yield from _broken_off(window, run)
            if not (run.alone and window.broken):
                return
            _behind_gap(window)
            continue
        if cut > window.position:
            banner = yield from _copy_block(window, run, cut)
            if banner:
                return
        if end >= 0:
            window.advance(window.position + after - end)
            yield from run.remainder()
            return
        window.grow(2 * window.left)


def _copy_end(window: Window) -> tuple[int, int]:
    """Where the rows end and where the next statement may begin; (-1, -1) if the window holds no closing mark."""
    data, start = window.data, window.position
    found = data.find(b"\n\\.", start, start + NEAR) + 1
    if data.startswith(b"\\.", start):
        found = start
    elif not found:
        # A closing mark is far away in most windows: whether it can be there at all is found at the speed of memory.
        if not may_hold(np.frombuffer(data, dtype=np.uint8, offset=start), b"\\."):
            return -1, -1
        found = data.find(b"\n\\.", start) + 1
    while found > 0 or data.startswith(b"\\.", start):
        # Only a line of these two bytes alone ends the rows; a row may begin with them.
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


def _copy_block(window: Window, run: DataRun, end: int) -> Generator[Event, None, bool]:
    """Rows up to `end`; returns True if the section turned out to end without its mark."""
    start, line = window.position, window.line
    data = window.data[start:end]
    plain_from = window.offset
    if not run.wanted or not data:
        window.advance(end)
        return False
    stored = data
    # In character sets of the East a second byte may be that of a backslash or a tab: such rows are read as UTF-8.
    plain = without_marks(data, run.encoding)
    data = data if plain is None else plain
    if run.width < 0:  # rows without a column list, of a table without a definition
        # Nobody says how many columns there are: the first row does, and the others have to agree with it.
        first = data[: data.find(b"\n")].rstrip(b"\r")
        run.width = first.count(b"\t") + 1 if first else 0
    split = split_copy(data, run.width, run.crlf)
    # Where the closing mark is gone, the first line of another shape is that of the next heading.
    lost = _banner_in(data, split.odd[0].start) if split.odd else -1
    if lost >= 0:
        data = stored = stored[:lost]
        plain = None
        split = split_copy(data, run.width, run.crlf)
        end = start + lost
    first_row = run.next_row
    yield from _odd_findings(run, split.odd, plain_from, line, data)
    block = _Block(data, first_row, plain_from, line)
    yield from _encoding_faults(run, block, {row.row for row in split.odd})
    run.rows += split.rows
    run.damaged += len(split.odd)
    window.advance(end, split.rows + len(split.odd))
    window.release()
    if split.rows:
        batch = Batch(
            notation=Notation.COPY, data=split.data, rows=split.rows, width=run.width,
            encoding=run.encoding if plain is None else "utf-8", first_row=first_row,
            plain_from=plain_from, plain_to=plain_from + len(stored), line=line,
            ends=split.ends, skipped=tuple(row.row for row in split.odd),
            recoded=None if plain is None else run.encoding,
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
    """Where a heading of the backup program begins among rows; -1 if none does."""
    match = _BANNER.search(data, max(0, start - 1))
    return match.end() if match else -1


def _odd_findings(run: DataRun, odd: Sequence[OddRow], plain_from: int, line: int, data: bytes) -> Iterator[Finding]:
    """One fault for each stretch of neighbouring rows with the same problem."""
    first_row = run.next_row
    index = 0
    while index < len(odd):
        begin = last = odd[index]
        while index + 1 < len(odd) and odd[index + 1].row == last.row + 1 and odd[index + 1].problem == begin.problem:
            index += 1
            last = odd[index]
        place = Place(
            plain_from=plain_from + begin.start,
            plain_to=plain_from + last.end,
            line=line + begin.row,
        )
        code = "row-shape" if "cells" in begin.problem else "row-text"
        yield from run.row_fault(code, (first_row + begin.row, first_row + last.row), _reworded(data, begin), place)
        index += 1


def _reworded(data: bytes, odd: OddRow) -> str:
    """A row's problem, with what it says where it reads like a program's own message."""
    text = data[odd.start : odd.start + 200]
    if b": error:" in text or b"ERROR" in text or b"pg_dump:" in text:
        return f"{odd.problem}; it reads like a program's message: {text.decode('utf-8', 'replace').strip()[:100]}"
    return odd.problem


def _broken_off(window: Window, run: DataRun) -> Iterator[Finding]:
    """The text ends in mid-section."""
    begin, line = window.offset, window.line
    window.advance(len(window.data))
    yield from run.remainder()
    yield run.cut(begin, window.offset, line, window.broken)


def _behind_gap(window: Window) -> None:
    """Go to the first whole row behind missing text."""
    window.resume()
    while (found := window.data.find(b"\n", window.position)) < 0 and window.grow():
        pass
    window.advance(found + 1 if found >= 0 else len(window.data))


@dataclass(frozen=True, slots=True)
class _Block:
    """Whole lines of COPY text and where they stand."""

    data: bytes
    first_row: int
    plain_from: int
    line: int


def _encoding_faults(run: DataRun, block: _Block, odd: set[int]) -> Iterator[Finding]:
    """Text that is not valid in the script's character set, row by row; rows in `odd` are told of already."""
    if first_broken(block.data, run.encoding) is None:
        return
    position = 0
    for index, row in enumerate(block.data.split(b"\n")):
        error = None if run.told_enough else first_broken(row, run.encoding)
        if error is not None and index not in odd:
            number = block.first_row + index
            place = Place(
                plain_from=block.plain_from + position + error.start,
                plain_to=block.plain_from + position + error.end,
                line=block.line + index,
            )
            message = f"bytes that are no {run.encoding.upper()} text: {row[error.start : error.end].hex()}"
            yield from run.row_fault("encoding-broken", (number, number), message, place)
        position += len(row) + 1

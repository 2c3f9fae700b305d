"""Rows of COPY text: one line a row, tabs between cells, backslash escapes.

Source: PostgreSQL documentation, COPY, section "Text Format".
"""

from __future__ import annotations

import re
from dataclasses import dataclass

import numpy as np

LEGAL_ESCAPES = b"bfnrtvN\\"
_STRANGE_ESCAPE = re.compile(rb"\\([^bfnrtvN])")


@dataclass(frozen=True, slots=True)
class OddRow:
    """A row that is not as it should be: its number in the block from 0, its byte range there, and why."""

    row: int
    start: int
    end: int
    problem: str


@dataclass(frozen=True, slots=True)
class CopyRows:
    """A block of whole lines, checked: the lines of right shape, how many they are, and the odd ones."""

    data: bytes
    rows: int
    odd: tuple[OddRow, ...]


def split_copy(data: bytes, width: int, crlf: bool) -> CopyRows:
    """Check a block of whole lines, each to have `width` cells.

    With `crlf` every line ends in carriage return and line feed, which are replaced by a bare line feed.
    """
    if crlf:
        data, bad_ends = _without_returns(data)
    else:
        bad_ends = b"\r" in data
    if not bad_ends and b"\0" not in data:
        rows = _regular_rows(data, width)
        if rows >= 0 and _escapes_regular(data):
            return CopyRows(data, rows, ())
    return _examined(data, width)


def _without_returns(data: bytes) -> tuple[bytes, bool]:
    if data.count(b"\r\n") == data.count(b"\n") == data.count(b"\r"):
        return data.replace(b"\r\n", b"\n"), False
    return data.replace(b"\r\n", b"\n"), True


def _regular_rows(data: bytes, width: int) -> int:
    """How many rows the block has if all have the right width, else -1."""
    lines = data.count(b"\n")
    if width <= 1:
        shaped = b"\t" not in data if width == 1 else data.strip(b"\n") == b""
        return lines if shaped else -1
    if data.count(b"\t") != lines * (width - 1):
        return -1
    values = np.frombuffer(data, dtype=np.uint8)
    low = np.flatnonzero(values <= 10)
    if len(low) != lines * width:  # other control characters stand in the text
        low = low[values[low] >= 9]
    ends = values[low[width - 1 :: width]]
    return lines if len(ends) == lines and bool((ends == 10).all()) else -1


def _escapes_regular(data: bytes) -> bool:
    """Whether every backslash begins an escape that the server writes."""
    total = data.count(b"\\")
    if total == 0 or data.count(b"\\N") == total:
        return True
    return _STRANGE_ESCAPE.search(data.replace(b"\\\\", b"\\b")) is None


def _examined(data: bytes, width: int) -> CopyRows:
    """The slow way, row by row, once something is odd."""
    odd = []
    good = []
    position = 0
    run_from = 0
    for row, line in enumerate(data.split(b"\n")[:-1]):
        end = position + len(line) + 1
        problem = _problem(line, width)
        if problem:
            odd.append(OddRow(row, position, end, problem))
            good.append(data[run_from:position])
            run_from = end
        position = end
    good.append(data[run_from:])
    kept = b"".join(good)
    return CopyRows(kept, kept.count(b"\n"), tuple(odd))


def _problem(line: bytes, width: int) -> str:
    cells = line.count(b"\t") + 1 if width or line else 0
    if cells != width:
        return f"has {cells} cells where the table has {width} columns"
    if b"\0" in line:
        return "holds a zero byte, which no text can hold"
    if b"\r" in line:
        return "holds a raw carriage return, which the server refuses"
    strange = _STRANGE_ESCAPE.search(line.replace(b"\\\\", b"\\b"))
    if strange and strange[1] not in b"01234567x":
        return f"holds the escape \\{strange[1].decode('latin-1')}, which the server never writes"
    return ""

"""Rows of COPY text: one line a row, tabs between cells, backslash escapes.

Source: PostgreSQL documentation, COPY, section "Text Format".
"""

from __future__ import annotations

import re
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

_LEGAL = np.zeros(256, dtype=np.bool_)
_LEGAL[list(b"bfnrtvN\\")] = True
_STRANGE_ESCAPE = re.compile(rb"\\([^bfnrtvN])")
_ZERO_ESCAPE = re.compile(rb"\\(?:x00|x0(?![0-9a-fA-F])|000|00?(?![0-7]))")


@dataclass(frozen=True, slots=True)
class OddRow:
    """A row that is not as it should be: its number in the block from 0, its byte range there, and why."""

    row: int
    start: int
    end: int
    problem: str


@dataclass(frozen=True, slots=True)
class CopyRows:
    """A block of whole lines, checked: the lines of right shape, how many they are, and the odd ones.

    ends  where their cells end, shape (rows, width); None where that wasn't needed to check them
    """

    data: bytes
    rows: int
    odd: tuple[OddRow, ...]
    ends: NDArray[np.int64] | None = None


def split_copy(data: bytes, width: int, crlf: bool) -> CopyRows:
    """Check a block of whole lines, each to have `width` cells.

    With `crlf` every line ends in carriage return and line feed, which are replaced by a bare line feed.
    """
    if crlf:
        data, bad_ends = _without_returns(data)
    else:
        bad_ends = b"\r" in data
    if not bad_ends and b"\0" not in data:
        values = np.frombuffer(data, dtype=np.uint8)
        ends = _regular_ends(values, width)
        if ends is not None and _escapes_regular(data, values):
            return CopyRows(data, len(ends), (), ends if width else None)
    return _examined(data, width)


def _without_returns(data: bytes) -> tuple[bytes, bool]:
    if data.count(b"\r\n") == data.count(b"\n") == data.count(b"\r"):
        return data.replace(b"\r\n", b"\n"), False
    return data.replace(b"\r\n", b"\n"), True


def _regular_ends(values: NDArray[np.uint8], width: int) -> NDArray[np.int64] | None:
    """Where the cells of each row end, shape (rows, width), if all rows have the right width; else None."""
    marks = np.flatnonzero(values <= 10)
    found = values[marks]
    if found.size and found.min() < 9:  # other control characters stand in the text
        marks = marks[found >= 9]
        found = values[marks]
    if width == 0:
        regular = len(found) == len(values) and bool((found == 10).all())
        return marks.reshape(-1, 1) if regular else None
    if len(found) % width:
        return None
    rows = found.reshape(-1, width)
    shaped = bool((rows[:, -1] == 10).all()) and bool((rows[:, :-1] == 9).all())
    return marks.reshape(-1, width) if shaped else None


def _escapes_regular(data: bytes, values: NDArray[np.uint8]) -> bool:
    """Whether every backslash begins an escape that the server writes."""
    slashes = np.flatnonzero(values == 92)
    if not slashes.size:
        return True
    if (np.diff(slashes) == 1).any():
        return _STRANGE_ESCAPE.search(data.replace(b"\\\\", b"\\b")) is None
    return bool(_LEGAL[values[slashes + 1]].all())


def may_hold(values: NDArray[np.uint8], pair: bytes) -> bool:
    """Whether two bytes may stand next to each other somewhere; looks at all pairs, two bytes at a time."""
    wanted = int.from_bytes(pair, "little")
    for start in (0, 1):
        length = (len(values) - start) // 2 * 2
        if (values[start : start + length].view("<u2") == wanted).any():
            return True
    return False


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
    if strange and _ZERO_ESCAPE.search(line.replace(b"\\\\", b"\\b")):
        return "holds an escape for a zero byte, which no text can hold"
    return ""

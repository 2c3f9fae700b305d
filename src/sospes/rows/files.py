"""Rows from CSV and JSON-lines files, as expected data."""

from __future__ import annotations

import codecs
import json
import re
from collections.abc import Iterable, Iterator, Sequence

from sospes.model.errors import CannotCheck
from sospes.model.events import Held
from sospes.rows.decoding import Row

ROWS_AT_ONCE = 5000
_CELLS = {
    mark: re.compile(rf'(?:"((?:[^"]|"")*+)"|([^{mark}"\n]*+))({mark}|\Z)') for mark in (",", ";", "\t")
}  # fmt: skip


def is_json_lines(head: bytes) -> bool:
    """Whether the first line is one JSON object."""
    line = head.lstrip().split(b"\n", 1)[0]
    if not line.startswith(b"{"):
        return False
    try:
        return isinstance(json.loads(line), dict)
    except ValueError:
        return False


def csv_mark(head: bytes) -> str | None:
    """What separates the cells of a CSV file, by its first line; None if nothing does."""
    line = head.decode("utf-8", "replace").lstrip("\ufeff").split("\n", 1)[0]
    best = max(_CELLS, key=line.count)
    return best if line.count(best) else None


def lines_of(blocks: Iterable[bytes], name: str) -> Iterator[str]:
    """Text lines without their ends. Raises CannotCheck for what is not UTF-8."""
    decoder = codecs.getincrementaldecoder("utf-8-sig")()
    rest = ""
    try:
        for block in blocks:
            *lines, rest = (rest + decoder.decode(block)).split("\n")
            yield from lines
        rest += decoder.decode(b"", final=True)
    except UnicodeDecodeError as error:
        raise CannotCheck(f"{name}: is not UTF-8 text: {error.reason}", "save the file as UTF-8") from error
    if rest:
        yield rest


def csv_rows(lines: Iterator[str], mark: str, name: str) -> Iterator[list[str | None]]:
    """Records of a CSV file, the header first. Nothing between two marks is NULL, a pair of quotes is empty text.

    Quotes are read as RFC 4180 has them: around a whole cell, and twice inside of one. Raises CannotCheck, with line
    and column, for quotes that stand elsewhere or never close.
    """
    pattern = _CELLS[mark]
    following = 0
    for line in lines:
        number, record = following + 1, line
        following = number
        while record.count('"') % 2:
            more = next(lines, None)
            if more is None:
                column = line.rindex('"') + 1
                raise _bad_csv(name, number, column, f"a quote opens and never closes: {line[:60]}")
            record += "\n" + more
            following += 1
        record = record.removesuffix("\r")
        if '"' not in record:
            yield [cell or None for cell in record.split(mark)]
            continue
        cells: list[str | None] = []
        place, open_end = 0, True
        while open_end:
            match = pattern.match(record, place)
            if match is None:
                raise _misquoted(name, number, record, place)
            quoted, bare, end = match.groups()
            cells.append(quoted.replace('""', '"') if quoted is not None else bare or None)
            place, open_end = match.end(), bool(end)
        yield cells


def _misquoted(name: str, number: int, record: str, place: int) -> CannotCheck:
    """A cell with text before or behind its quotes; it begins at `place` of a record whose first line is `number`."""
    before = record[:place]
    line, column = number + before.count("\n"), place - (before.rfind("\n") + 1) + 1
    return _bad_csv(name, line, column, f"quotes stand inside of a cell, not around it: {record[place : place + 40]!r}")


def _bad_csv(name: str, line: int, column: int, what: str) -> CannotCheck:
    return CannotCheck(
        f"{name}: line {line:,}, column {column:,}: {what}",
        "put quotes around the whole cell, and write those inside of it twice",
    )


def json_rows(lines: Iterator[str], name: str) -> Iterator[dict[str, Held]]:
    """Objects of a JSON-lines file, numbers exact. Raises CannotCheck for a line that is none."""
    for number, line in enumerate(lines, 1):
        if not line.strip():
            continue
        try:
            found = json.loads(line, parse_float=str)
        except ValueError as error:
            raise CannotCheck(f"{name}: line {number:,} is no JSON: {error}", "mend the file") from error
        if not isinstance(found, dict):
            raise CannotCheck(f"{name}: line {number:,} is no JSON object", "write one object a line")
        yield {key: _held(value) for key, value in found.items()}


def _held(value: object) -> Held:
    if value is None or isinstance(value, str):
        return value
    if isinstance(value, bool):
        return "t" if value else "f"
    if isinstance(value, int):
        return value if -(2**63) <= value < 2**63 else str(value)
    return json.dumps(value)


def in_parts(rows: Iterable[Row], size: int = ROWS_AT_ONCE) -> Iterator[list[Row]]:
    """Rows in lists of at most `size`."""
    part: list[Row] = []
    for row in rows:
        part.append(row)
        if len(part) == size:
            yield part
            part = []
    if part:
        yield part


def reordered(record: dict[str, Held], columns: Sequence[str]) -> Row:
    """An object's values in the order of columns; a missing key is NULL."""
    return tuple(record.get(column) for column in columns)

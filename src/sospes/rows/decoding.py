"""From batches to values: what a cell says, as a side copy holds it.

Sources: PostgreSQL documentation, COPY "Text Format" and "String Constants"; MariaDB Knowledge Base,
"String Literals"; SQLite, "Literal Values".
"""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator, Sequence
from itertools import chain

from sospes.model.events import Batch, Held, Notation
from sospes.model.types import Hold
from sospes.sql.characters import ANY, WESTERN

Row = tuple[Held, ...]

PART_BYTES = 1 << 16
PART_ROWS = 1000
HUGE = 8 << 20
"""A row of more bytes than this is converted in the way that takes least memory."""
_COPY_ESCAPE = re.compile(r"\\(x[0-9a-fA-F]{1,2}|[0-7]{1,3}|.)", re.S)
_COPY_SAID = {"b": "\b", "f": "\f", "n": "\n", "r": "\r", "t": "\t", "v": "\v"}
_MARIADB_SAID = {
    b"0": b"\0", b"n": b"\n", b"r": b"\r", b"t": b"\t", b"b": b"\b", b"Z": b"\x1a", b"%": b"\\%", b"_": b"\\_",
}  # fmt: skip
_INTRODUCER = re.compile(rb"_(\w+)\s*(?=['xX0bB])")
_REPLACE = re.compile(r"replace\((.*),'((?:[^']|'')*)',char\((\d+)\)\)$", re.S | re.I)
_UNISTR = re.compile(r"unistr\('((?:[^']|'')*)'\)$", re.S | re.I)
_UNISTR_ESCAPE = re.compile(r"\\(?:(\\)|([0-9a-fA-F]{4})|\+([0-9a-fA-F]{6})|u([0-9a-fA-F]{4})|U([0-9a-fA-F]{8}))")
_INTEGER = re.compile(r"-?\d+")
_BIT_STRING = re.compile(r"[bB]'([01]*)'")


BadCell = Callable[[int, int, bytes], None]
"""Hears of a cell that is no value of its column: row and column from 0 in the batch, and its bytes."""


def held_parts(batch: Batch, holds: Sequence[Hold], bad: BadCell) -> Iterator[list[Row]]:
    """The rows of a batch as values, in lists small enough to stay in the processor's cache.

    `holds` has one element for each cell of a row. A row with a cell that can't be a value of its column is told
    to `bad` and left out.
    """
    if batch.width == 0:
        yield [()] * batch.rows
    elif batch.notation is Notation.RECORDS:
        yield list(_records(batch))
    elif batch.notation is Notation.COPY:
        number = 0
        for data in _slices(batch.data):
            yield list(_copy_rows(data, batch.encoding, holds, _offset(bad, number)))
            number += data.count(b"\n")
    else:
        for first in range(0, batch.rows, PART_ROWS):
            yield list(_literal_rows(batch, range(first, min(batch.rows, first + PART_ROWS)), holds, bad))


def held_rows(batch: Batch, holds: Sequence[Hold], bad: BadCell) -> Iterator[Row]:
    """The rows of a batch as values, one by one; see `held_parts`."""
    return chain.from_iterable(held_parts(batch, holds, bad))


def _offset(bad: BadCell, first: int) -> BadCell:
    """The same, for rows that are counted from `first`."""
    return lambda row, column, cell: bad(row + first, column, cell)


def _slices(data: bytes) -> Iterator[bytes]:
    """Whole lines, about `PART_BYTES` at a time."""
    start = 0
    while start < len(data):
        end = data.rfind(b"\n", start, start + PART_BYTES) + 1 or data.find(b"\n", start) + 1
        yield data[start:end]
        start = end


def _records(batch: Batch) -> Iterator[Row]:
    """Records as the engine gave them, floating-point numbers as their shortest text."""
    for record in batch.records:
        yield tuple(_real(value) if isinstance(value, float) else value for value in record)  # type: ignore[misc]


def _real(value: float) -> str:
    """SQLite's floating-point numbers in the shortest text that gives the same number back."""
    if value in {float("inf"), float("-inf")}:
        return "Inf" if value > 0 else "-Inf"
    return repr(value)


def _copy_rows(data: bytes, encoding: str, holds: Sequence[Hold], bad: BadCell) -> Iterator[Row]:
    """Rows of COPY text; whole columns at once where no cell has an escape, which is nearly always."""
    if len(data) > HUGE:
        return _copy_rows_by_cell(data, encoding, holds, bad)
    try:
        text = data.decode(encoding)
    except UnicodeDecodeError:
        return _copy_rows_by_cell(data, encoding, holds, bad)
    cells = text.replace("\n", "\t").split("\t")
    cells.pop()
    width = len(holds)
    plain = text.count("\\") == text.count("\\N")  # then a backslash is never anything but NULL
    try:
        return zip(*[_copy_column(cells[index::width], hold, plain) for index, hold in enumerate(holds)], strict=True)
    except ValueError:
        return _copy_rows_one_by_one(text.split("\n")[:-1], holds, bad)


def _copy_column(cells: Sequence[str], hold: Hold, plain: bool) -> Sequence[Held]:
    """All cells of one column, at the speed of C where nothing is escaped. Raises ValueError for a bad one."""
    if hold is Hold.INTEGER:
        try:
            return list(map(int, cells))
        except ValueError:
            return [None if cell == "\\N" else int(cell) for cell in cells]
    if hold is Hold.BYTES:
        return [None if cell == "\\N" else bytea(_COPY_ESCAPE.sub(_copy_said, cell)) for cell in cells]
    if plain:
        return [None if cell == "\\N" else cell for cell in cells]
    return [cell if "\\" not in cell else _copy_cell(cell) for cell in cells]


def _copy_rows_one_by_one(lines: Sequence[str], holds: Sequence[Hold], bad: BadCell) -> Iterator[Row]:
    """The same for lines with escapes, or with cells that are no values of their column."""
    for number, line in enumerate(lines):
        row: list[Held] = []
        for index, cell in enumerate(line.split("\t")):
            try:
                row.append(_converted(_copy_cell(cell), holds[index]))
            except ValueError:
                bad(number, index, cell.encode("utf-8", "replace"))
                break
        else:
            yield tuple(row)


def _copy_rows_by_cell(data: bytes, encoding: str, holds: Sequence[Hold], bad: BadCell) -> Iterator[Row]:
    """Cell by cell, which keeps copies of a huge one few; what is no text in the script's character set stays bytes."""
    start = 0
    for number in range(data.count(b"\n")):
        end = data.index(b"\n", start)
        row: list[Held] = []
        for index, cell in enumerate(_cells(memoryview(data), data, start, end)):
            try:
                row.append(_converted(_copy_cell(str(cell, encoding)), holds[index]))
            except UnicodeDecodeError:
                unescaped = _copy_cell(str(cell, "latin-1"))
                row.append(None if unescaped is None else unescaped.encode("latin-1"))
            except ValueError:
                bad(number, index, bytes(cell))
                break
        else:
            yield tuple(row)
        start = end + 1


def _cells(view: memoryview, data: bytes, start: int, end: int) -> Iterator[memoryview]:
    """The cells of the line from `start` to `end`, without a copy."""
    while (tab := data.find(b"\t", start, end)) >= 0:
        yield view[start:tab]
        start = tab + 1
    yield view[start:end]


def _converted(text: str | None, hold: Hold) -> Held:
    """A cell's text as it is held. Raises ValueError for one that can't be."""
    if text is None or hold in {Hold.TEXT, Hold.ANY}:
        return text
    return int(text) if hold is Hold.INTEGER else bytea(text)


def _copy_cell(cell: str) -> str | None:
    """What a cell of COPY text says: NULL, or text without its escapes."""
    if cell == "\\N":
        return None
    return _COPY_ESCAPE.sub(_copy_said, cell) if "\\" in cell else cell


def _copy_said(match: re.Match[str]) -> str:
    """What one escape stands for. Source: PostgreSQL documentation, COPY, "Text Format"."""
    what = match[1]
    if what[0] == "x" and len(what) > 1:
        return chr(int(what[1:], 16))
    if what[0] in "01234567":
        return chr(int(what, 8) & 0xFF)
    return _COPY_SAID.get(what, what)


def bytea(text: str) -> bytes:
    """Bytes from PostgreSQL's hex form or its older escape form. Raises ValueError for neither."""
    if text.startswith("\\x"):
        return bytes.fromhex(text[2:])
    raw = text.encode("latin-1")
    return re.sub(rb"\\(\\|[0-7]{3})", lambda match: b"\\" if match[1] == b"\\" else bytes([int(match[1], 8)]), raw)


def _literal_rows(batch: Batch, numbers: range, holds: Sequence[Hold], bad: BadCell) -> Iterator[Row]:
    """Rows of literals, by the offsets of their cells."""
    assert batch.starts is not None and batch.ends is not None  # literals always come with offsets
    data, encoding = batch.data, batch.encoding
    decode = _decoder(batch.notation)
    chosen = slice(numbers.start, numbers.stop)
    pairs = zip(batch.starts[chosen].tolist(), batch.ends[chosen].tolist(), strict=True)
    for number, (starts, ends) in zip(numbers, pairs, strict=True):
        row = []
        for index, (start, end) in enumerate(zip(starts, ends, strict=True)):
            cell = data[start:end].strip()
            try:
                row.append(decode(cell, holds[index], encoding))
            except (ValueError, LookupError):
                bad(number, index, cell)
                break
        else:
            yield tuple(row)


def literal(cell: bytes, hold: Hold, notation: Notation, encoding: str) -> Held:
    """What a literal says. Raises ValueError or LookupError for none."""
    return _decoder(notation)(cell, hold, encoding)


def _decoder(notation: Notation) -> Callable[[bytes, Hold, str], Held]:
    """What reads the literals of a notation."""
    if notation is Notation.POSTGRESQL:
        return _postgresql
    if notation is Notation.SQLITE:
        return _sqlite
    if notation is Notation.MARIADB_PLAIN:
        return lambda cell, hold, encoding: _mariadb(cell, hold, encoding, escapes=False)
    return _mariadb


def _postgresql(cell: bytes, hold: Hold, encoding: str) -> Held:
    """A literal of PostgreSQL: a string, one with escapes, bytes, NULL, or a bare word."""
    first = cell[:1]
    if first == b"'":
        said = _said(cell[1:-1].replace(b"''", b"'"), encoding)
        if isinstance(said, bytes):
            return said
        text = said
    elif cell in {b"NULL", b"null"}:
        return None
    elif first in {b"E", b"e"} and cell[1:2] == b"'":
        text = _COPY_ESCAPE.sub(_copy_said, cell[2:-1].replace(b"''", b"'").decode(encoding))
    elif cell.upper() == b"DEFAULT":
        return None  # its value is the server's to make; generated columns are not held at all
    elif first == b"$" and (tag := _DOLLAR.match(cell)) and cell.endswith(tag[0]):
        text = cell[tag.end() : -tag.end()].decode(encoding)
    elif first in {b"B", b"b", b"X", b"x"} and cell[1:2] == b"'":
        text = cell[2:-1].decode("ascii")
    else:
        text = _bare(cell)
    if hold is Hold.INTEGER:
        return int(text)
    return bytea(text) if hold is Hold.BYTES else text


_DOLLAR = re.compile(rb"\$[^$]*\$")
_BARE = re.compile(rb"[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?|true|false|TRUE|FALSE")


def _bare(cell: bytes) -> str:
    """A number or a truth value without quotes. Raises ValueError for anything else."""
    if _BARE.fullmatch(cell) is None:
        raise ValueError(cell)
    return cell.decode("ascii")


def _mariadb(cell: bytes, hold: Hold, encoding: str, escapes: bool = True) -> Held:
    """A literal of MariaDB: a string with or without a character set before it, hex, bits, NULL, or a bare word."""
    introducer = _INTRODUCER.match(cell)
    if introducer:
        cell = cell[introducer.end() :]
    first = cell[:1]
    if first in {b"'", b'"'}:
        inner = cell[1:-1]
        raw = _unescaped(inner, first) if escapes and b"\\" in inner else inner.replace(first * 2, first)
    elif cell in {b"NULL", b"null"}:
        return None
    elif cell[:2] in {b"0x", b"0X"}:
        raw = bytes.fromhex(cell[2:].decode("ascii"))
    elif cell[:2] in {b"X'", b"x'"}:
        raw = bytes.fromhex(cell[2:-1].decode("ascii"))
    elif bits := _BIT_STRING.fullmatch(cell.decode("latin-1")):
        raw = int(bits[1] or "0", 2).to_bytes((len(bits[1]) + 7) // 8, "big")
    elif cell.upper() == b"DEFAULT":
        return None  # its value is the server's to make; generated columns are not held at all
    else:
        raw = _bare(cell).encode("ascii")
    if hold is Hold.INTEGER:
        return int(raw)
    if hold is Hold.BYTES:
        return raw
    return _said(raw, encoding)


def _said(raw: bytes, encoding: str) -> str | bytes:
    """Text; what is none in its character set stays bytes."""
    try:
        return raw.decode(encoding)
    except UnicodeDecodeError:
        return raw.decode(WESTERN) if encoding == ANY else raw


def _unescaped(inner: bytes, quote: bytes) -> bytes:
    """Resolve backslashes and doubled quotes in one pass, so that neither is read twice."""
    pattern = _MARIADB_INNER[quote]
    return pattern.sub(lambda match: quote if match[1] is None else _MARIADB_SAID.get(match[1], match[1]), inner)


_MARIADB_INNER = {
    b"'": re.compile(rb"\\(.)|''", re.S),
    b'"': re.compile(rb'\\(.)|""', re.S),
}


def _sqlite(cell: bytes, hold: Hold, encoding: str) -> Held:
    """A literal of SQLite, or a call that its programs write for text with control characters."""
    first = cell[:1]
    if first == b"'":
        return _said(cell[1:-1].replace(b"''", b"'"), encoding)
    if cell == b"NULL":
        return None
    if first in {b"X", b"x"}:
        return bytes.fromhex(cell[2:-1].decode("ascii"))
    text = cell.decode("latin-1")
    if _INTEGER.fullmatch(text):
        number = int(text)
        return number if -(2**63) <= number < 2**63 else text
    if match := _REPLACE.match(text):
        inner = _sqlite(match[1].encode("latin-1"), hold, encoding)
        old, new = match[2].replace("''", "'").encode("latin-1"), chr(int(match[3])).encode(encoding)
        raw = inner if isinstance(inner, bytes) else str(inner).encode(encoding, "surrogatepass")
        return _said(raw.replace(old, new), encoding)
    if match := _UNISTR.match(text):
        said = match[1].replace("''", "'").encode("latin-1").decode(encoding, "replace")
        return _UNISTR_ESCAPE.sub(_unistr_said, said)
    return _bare(cell)


def _unistr_said(match: re.Match[str]) -> str:
    """A character that unistr() names by its number."""
    return "\\" if match[1] else chr(int(next(group for group in match.groups()[1:] if group), 16))


def first_cell(row: Sequence[object] | None) -> str:
    """The first cell of what a person's own query gave, as it is shown; a query may give no row at all."""
    if not row:
        return "no row"
    return "NULL" if row[0] is None else str(row[0])

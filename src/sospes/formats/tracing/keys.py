"""The keys of rows that records of the log hold, where they hold them.

An insertion has its row. A deletion or update has the old key only where the server logs for logical decoding, or where
the record has an image of the page. Sources: PostgreSQL, src/include/access/heapam_xlog.h, htup_details.h,
catalog/pg_attribute.h, pg_index.h, postgres.h (varlena).
"""

from __future__ import annotations

import struct
import uuid
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from itertools import islice

from sospes.formats.base.catalog import standing
from sospes.formats.tracing.catalog_rows import LoggedRow
from sospes.formats.wal.blocks import BadImage, Parts, page_of, parts_of
from sospes.formats.wal.heap import (
    HEAD_IN_LOG,
    HEAP,
    MORE_HEAP,
    NEW_PAGE,
    OPERATION,
    ROW_DELETED,
    ROW_HEAD,
    ROW_INSERTED,
    ROW_UPDATED,
    ROW_UPDATED_HERE,
    behind_head,
    several_rows,
)
from sospes.model.moments import iso

MOST = 5
"""Rows of an operation whose keys are told."""

_HAS_OLD = {ROW_DELETED: 0x06, ROW_UPDATED: 0x0C, ROW_UPDATED_HERE: 0x0C}
"""Bits that say that a deletion, or an update, has the old row or its key."""

_FIXED = {ROW_DELETED: 8, ROW_UPDATED: 14, ROW_UPDATED_HERE: 14}
"""Bytes of main data before the old row."""

_SHORTENED = 0x60
"""Bits that say that a new row lacks what it has in common with the old one."""

_ALIGN = {ord("c"): 1, ord("s"): 2, ord("i"): 4, ord("d"): 8}
_DAYS_FROM = date(2000, 1, 1)


@dataclass(frozen=True, slots=True)
class Attribute:
    """A column as its table's rows have it: its number, name, type's number, bytes (negative for any), alignment."""

    number: int
    name: str
    type: int
    length: int
    align: int


Columns = Mapping[int, Attribute]
"""The columns of a table by their numbers."""


def attribute_in(row: bytes, version: int) -> tuple[int, Attribute]:
    """The table and the column that a row of `pg_attribute` tells, from its first column on."""
    length_at = 76 if version < 16 else 72
    align_at = 94 if version < 14 else 93 if version < 16 else 87 if version < 18 else 83
    table, kind = struct.unpack_from("<I", row)[0], struct.unpack_from("<I", row, 68)[0]
    length, number = struct.unpack_from("<hh", row, length_at)
    name = row[4:68].split(b"\0")[0].decode("utf-8", "replace")
    return table, Attribute(number, name, kind, length, _ALIGN.get(row[align_at], 1))


def primary_in(row: bytes, version: int) -> tuple[int, tuple[int, ...]] | None:
    """The table and the numbers of its primary key's columns, if a row of `pg_index` is of that."""
    if not row[14 if version >= 15 else 13]:
        return None
    [table] = struct.unpack_from("<I", row, 4)
    [count] = struct.unpack_from("<H", row, 10)
    if len(row) < 48 + 2 * count:
        return None
    return table, struct.unpack_from(f"<{count}h", row, 48)


def keys_of(samples: Sequence[LoggedRow], columns: Columns, key: Sequence[int]) -> tuple[dict[str, str], ...]:
    """The keys of the rows that some records are about, as far as these hold them."""
    found = []
    for sample in samples:
        try:
            values = [_values(row, columns, key) for row in islice(_rows(sample), MOST)]
        except (ValueError, KeyError, BadImage, struct.error, IndexError, OverflowError):
            continue  # a row that is not as the catalog has it has no key that could be told
        found += [one for one in values if one is not None]
    return tuple(found[:MOST])


@dataclass(frozen=True, slots=True)
class _Row:
    """A row: how many columns it has, which of them are missing, and its data."""

    columns: int
    nulls: bytes | None
    data: bytes


def _rows(sample: LoggedRow) -> Iterator[_Row]:
    """The rows as the record has them: new ones of an insertion, the old one of a deletion, either of an update."""
    parts = parts_of(sample.record, sample.magic)
    what, main = sample.kind & OPERATION, sample.record[parts.main[0] : parts.main[1]]
    first = parts.blocks[0]
    data = bytes(sample.record[first.data[0] : first.data[1]])
    if sample.manager == MORE_HEAP:
        yield from _several(sample, parts, main)
    elif sample.manager == HEAP and what == ROW_INSERTED:
        yield from _on_page(sample, parts, main, 0) if first.has_image else (_of_log(data),)
    elif sample.manager == HEAP:
        fixed, bits = _FIXED[what], main[7]
        if bits & _HAS_OLD[what]:
            yield _of_log(bytes(main[fixed:]))
        elif what == ROW_DELETED:
            yield from _on_page(sample, parts, main, 4)
        elif first.has_image:
            yield from _on_page(sample, parts, main, 12)
        elif not bits & _SHORTENED:
            yield _of_log(data)


def _of_log(data: bytes) -> _Row:
    """A row behind the short head that it has in the log."""
    columns, bits = struct.unpack_from("<HH", data)
    begin = behind_head(data)
    return _Row(columns & 0x07FF, data[HEAD_IN_LOG:begin] if bits & 1 else None, data[begin:])


def _on_page(sample: LoggedRow, parts: Parts, main: memoryview, *at: int) -> Iterator[_Row]:
    """Rows on the page that the record has an image of, if it has one; their places stand in its main data."""
    if not parts.blocks[0].has_image:
        return
    places = {struct.unpack_from("<H", main, where)[0] for where in at}
    for number, row in standing(page_of(sample.record, parts.blocks[0], sample.magic, 8192)):
        if number in places:
            columns, bits, begin = struct.unpack_from("<HHB", row, 18)
            yield _Row(columns & 0x07FF, row[ROW_HEAD:begin] if bits & 1 else None, row[begin:])


def _several(sample: LoggedRow, parts: Parts, main: memoryview) -> Iterator[_Row]:
    """The rows of a record that has several."""
    first = parts.blocks[0]
    [count] = struct.unpack_from("<H", main, 2)
    if first.has_image:
        if not sample.kind & NEW_PAGE:
            yield from _on_page(sample, parts, main, *range(4, 4 + 2 * count, 2))
        return
    yield from map(_of_log, several_rows(bytes(sample.record[first.data[0] : first.data[1]]), count))


def _values(row: _Row, columns: Columns, key: Sequence[int]) -> dict[str, str] | None:
    """The values of the key's columns as text; None where one can't be told."""
    found: dict[str, str] = {}
    at = 0
    for number in range(1, min(row.columns, max(key)) + 1):
        column = columns[number]
        if row.nulls is not None and not row.nulls[(number - 1) // 8] >> (number - 1) % 8 & 1:
            continue
        if column.length > 0 or row.data[at] == 0:  # else a short text stands right there, or zeros that align
            at = -(-at // column.align) * column.align
        size, value = _sized(row.data, at, column)
        if number in key:
            text = _WORDS[column.type](value) if column.type in _WORDS and value is not None else None
            if text is None:
                return None
            found[column.name] = text
        at += size
    return found if len(found) == len(key) else None


def _sized(data: bytes, at: int, column: Attribute) -> tuple[int, bytes | None]:
    """How many bytes a value takes, and the value; None for one that is packed or stored elsewhere."""
    if column.length > 0:
        return column.length, data[at : at + column.length]
    if column.length == -2:  # ends with a zero
        end = data.index(0, at)
        return end + 1 - at, data[at:end]
    if data[at] == 1:
        return 18, None
    if data[at] & 1:
        return data[at] >> 1, data[at + 1 : at + (data[at] >> 1)]
    [head] = struct.unpack_from("<I", data, at)
    return head >> 2, None if head & 2 else data[at + 4 : at + (head >> 2)]


def _number(value: bytes) -> str:
    return str(int.from_bytes(value, "little", signed=True))


def _date(value: bytes) -> str:
    return (_DAYS_FROM + timedelta(days=int.from_bytes(value, "little", signed=True))).isoformat()


def _moment(value: bytes) -> str | None:
    return iso(int.from_bytes(value, "little", signed=True))


def _text(value: bytes) -> str:
    return value.split(b"\0")[0].decode("utf-8", "replace")


_WORDS: dict[int, Callable[[bytes], str | None]] = {
    16: lambda value: "true" if value[0] else "false", 20: _number, 21: _number, 23: _number,
    26: lambda value: str(int.from_bytes(value, "little")), 19: _text, 25: _text, 1042: _text, 1043: _text,
    1082: _date, 1114: _moment, 1184: _moment, 2950: lambda value: str(uuid.UUID(bytes=bytes(value))),
}  # fmt: skip
"""Types whose values are told, by their numbers in every catalog."""

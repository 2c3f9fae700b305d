"""The rows of a catalog by where they stand, kept as a server would keep them by the log.

A record about a row often tells only what of it has changed, so what was there before has to be known. Sources:
PostgreSQL, src/backend/access/heap/heapam_xlog.c (what each record does), src/include/access/heapam_xlog.h.
"""

from __future__ import annotations

import struct
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from itertools import repeat

from sospes.formats.base.catalog import standing
from sospes.formats.wal.blocks import BadImage, BlockPart, Parts, page_of, parts_of
from sospes.formats.wal.heap import (
    HEAD_IN_LOG,
    HEAP,
    MORE_HEAP,
    NEW_PAGE,
    OPERATION,
    ROW_DELETED,
    ROW_IN_PLACE,
    ROW_INSERTED,
    ROW_UPDATED,
    ROW_UPDATED_HERE,
    ROWS_INSERTED,
    behind_head,
    several_rows,
)

_PREFIX, _SUFFIX = 0x20, 0x40
_MAIN = 0

Place = tuple[int, int]
"""The number of a page, and of the row's place on it from 1 on."""


@dataclass(frozen=True, slots=True)
class RowChange:
    """What a record does to a row: what was there, and what is; None for no row, empty for one that nobody knows."""

    gone: bytes | None
    new: bytes | None


@dataclass(frozen=True, slots=True, kw_only=True)
class LoggedRow:
    """A record about rows: its bytes, whose it is, of which kind, and where the next one begins."""

    record: memoryview
    manager: int
    kind: int
    end: int
    magic: int


class CatalogRows:
    """The rows of one catalog, from their first column on."""

    def __init__(self, page_size: int) -> None:
        self._page_size = page_size
        self._rows: dict[Place, bytes] = {}
        self._newest: dict[int, int] = {}

    def load(self, number: int, page: bytes, upto: int) -> None:
        """Take in a page that has all changes up to a position in the log."""
        self._newest[number] = upto
        for place, row in standing(page):
            self._rows[number, place] = row[row[22] :]

    def copy(self) -> CatalogRows:
        """The same rows for another database that is copied from this one."""
        other = CatalogRows(self._page_size)
        other._rows, other._newest = dict(self._rows), dict(self._newest)
        return other

    def apply(self, logged: LoggedRow) -> list[RowChange]:
        """Do what a record says. What makes no sense changes nothing."""
        try:
            parts = parts_of(logged.record, logged.magic)
            for number, page in self._images(logged, parts):
                self.load(number, page, logged.end)
            return [*self._changes(logged, parts)]
        except (ValueError, BadImage, struct.error, IndexError):
            return []

    def images(self, logged: LoggedRow) -> list[bytes]:
        """The pages that a record has whole."""
        try:
            return [page for _, page in self._images(logged, parts_of(logged.record, logged.magic))]
        except (ValueError, BadImage):
            return []

    def _images(self, logged: LoggedRow, parts: Parts) -> Iterator[tuple[int, bytes]]:
        for part in parts.blocks.values():
            if part.has_image and part.block[3] == _MAIN:
                yield part.block[4], page_of(logged.record, part, logged.magic, self._page_size)

    def _changes(self, logged: LoggedRow, parts: Parts) -> Iterator[RowChange]:
        first, main = parts.blocks.get(0), logged.record[parts.main[0] : parts.main[1]]
        if first is None or logged.manager not in {HEAP, MORE_HEAP}:
            return
        what, page = logged.kind & OPERATION, first.block[4]
        if logged.manager == MORE_HEAP:
            if what == ROWS_INSERTED:
                for place, row in _several(logged, first, main):
                    yield RowChange(None, self._put((page, place), row, first, logged))
        elif what == ROW_INSERTED:
            [place] = struct.unpack_from("<H", main)
            yield RowChange(None, self._put((page, place), _row(logged.record, first, 0), first, logged))
        elif what == ROW_DELETED:
            [place] = struct.unpack_from("<H", main, 4)
            yield RowChange(self._rows.get((page, place), b""), None)
        elif what in {ROW_UPDATED, ROW_UPDATED_HERE}:
            yield self._updated(logged, parts, first, main)
        elif what == ROW_IN_PLACE:
            [place] = struct.unpack_from("<H", main)
            if not first.has_image and logged.end > self._newest.get(page, 0):
                self._rows[page, place] = bytes(logged.record[first.data[0] : first.data[1]])

    def _updated(self, logged: LoggedRow, parts: Parts, first: BlockPart, main: memoryview) -> RowChange:
        [before], flags = struct.unpack_from("<H", main, 4), main[7]
        [place] = struct.unpack_from("<H", main, 12)
        page = first.block[4]
        # What lies on another page is a block of its own; newer servers add one of the visibility map.
        others = [part.block[4] for number, part in parts.blocks.items() if number and part.block[3] == _MAIN]
        old = self._rows.get((others[0] if others else page, before), b"")
        if flags & (_PREFIX | _SUFFIX) and not first.has_image and logged.end <= self._newest.get(page, 0):
            return RowChange(old, self._rows.get((page, place), b""))  # what it is made from may be gone by then
        row = _row(logged.record, first, flags, old)
        return RowChange(old, self._put((page, place), row, first, logged))

    def _put(self, place: Place, row: bytes, part: BlockPart, logged: LoggedRow) -> bytes:
        """Keep a row, and give it back; from the page's image, if there is one, and not over a newer page."""
        if part.has_image:
            return self._rows.get(place, b"")
        if logged.end > self._newest.get(place[0], 0):
            self._rows[place] = row
        return row or self._rows.get(place, b"")


def _row(record: memoryview, part: BlockPart, flags: int, old: bytes = b"") -> bytes:
    """The row that a block's data tell, with what it has in common with an older one; empty where that isn't known."""
    data = bytes(record[part.data[0] : part.data[1]])
    at, prefix, suffix = 0, 0, 0
    if flags & _PREFIX:
        [prefix], at = struct.unpack_from("<H", data, at), at + 2
    if flags & _SUFFIX:
        [suffix], at = struct.unpack_from("<H", data, at), at + 2
    if len(data) < at + HEAD_IN_LOG or ((prefix or suffix) and len(old) < prefix + suffix):
        return b""
    begin = at + behind_head(data[at:])
    return old[:prefix] + data[begin:] + (old[len(old) - suffix :] if suffix else b"")


def _several(logged: LoggedRow, part: BlockPart, main: memoryview) -> Iterator[tuple[int, bytes]]:
    """The rows of a record that has several of one page, with their places."""
    [count] = struct.unpack_from("<H", main, 2)
    if part.has_image:
        rows: Iterable[bytes] = repeat(b"", count)
    else:
        data = bytes(logged.record[part.data[0] : part.data[1]])
        rows = (row[behind_head(row) :] for row in several_rows(data, count))
    for index, row in enumerate(rows):
        yield index + 1 if logged.kind & NEW_PAGE else struct.unpack_from("<H", main, 4 + 2 * index)[0], row

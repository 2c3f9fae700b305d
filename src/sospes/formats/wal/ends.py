"""Ends of transactions in full: which ones end, with which subtransactions, and which files of relations they remove.

Source: PostgreSQL, src/include/access/xact.h (xl_xact_xinfo and what follows it), xactdesc.c (the order of the parts).
"""

from __future__ import annotations

import struct
from dataclasses import dataclass

from sospes.formats.wal.segments import VERSIONS

COMMIT, PREPARE, ABORT, COMMIT_PREPARED, ABORT_PREPARED = 0x00, 0x10, 0x20, 0x30, 0x40
WHAT, HAS_MORE = 0x70, 0x80
"""The bits of a record's kind that tell these apart, and the one that says that more than the time follows."""

_OF_DATABASE, _SUBTRANSACTIONS, _FILES, _INVALIDATIONS, _PREPARED, _STATISTICS = 0x01, 0x02, 0x04, 0x08, 0x10, 0x100
_INVALIDATION_BYTES = 16
_STATISTIC_BYTES = {"15": 12, "16": 12, "17": 12}
_STATISTIC_BYTES_SINCE_18 = 16
_MOST = 1 << 24

FileId = tuple[int, int]
"""The file of a relation: its database's number and its own."""


@dataclass(frozen=True, slots=True, kw_only=True)
class End:
    """What a record says that ends a transaction.

    prepared  the transaction that ends, where it was prepared before; 0 for the one that the record's header names
    removed   files that are removed with it, in the order in which the record has them
    """

    prepared: int = 0
    subtransactions: tuple[int, ...] = ()
    removed: tuple[FileId, ...] = ()


def end_of(data: bytes, magic: int) -> End:
    """The end that the main data of a record tell, which says that more than the time follows.

    Raises ValueError for what can't be one.
    """
    reading = _Reading(data, 8)
    info = reading.number()
    if info & _OF_DATABASE:
        reading.skip(8)
    subtransactions = reading.numbers(reading.number()) if info & _SUBTRANSACTIONS else ()
    removed: tuple[FileId, ...] = ()
    if info & _FILES:
        found = reading.numbers(3 * reading.number())
        removed = tuple(zip(found[1::3], found[2::3], strict=True))
    if info & _STATISTICS:
        reading.skip(reading.number() * _STATISTIC_BYTES.get(VERSIONS.get(magic, ""), _STATISTIC_BYTES_SINCE_18))
    if info & _INVALIDATIONS:
        reading.skip(reading.number() * _INVALIDATION_BYTES)
    prepared = reading.number() if info & _PREPARED else 0
    return End(prepared=prepared, subtransactions=subtransactions, removed=removed)


@dataclass(slots=True)
class _Reading:
    data: bytes
    at: int

    def number(self) -> int:
        [found] = self.numbers(1)
        return found

    def numbers(self, count: int) -> tuple[int, ...]:
        if count > _MOST or self.at + 4 * count > len(self.data):
            raise ValueError("an end of a transaction is shorter than it says")
        found = struct.unpack_from(f"<{count}I", self.data, self.at)
        self.at += 4 * count
        return found

    def skip(self, length: int) -> None:
        self.at += length

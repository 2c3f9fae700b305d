"""Blocks that records of the log make whole: full images of pages, and pages that are made anew.

A page that was written while it was copied may be torn; recovery puts the image in its place that the log holds since
the backup began. Source: PostgreSQL, src/include/access/xlogrecord.h, block headers.
"""

from __future__ import annotations

import struct

from sospes.formats.wal.records import HEADER, LONG_DATA, ORIGIN, SHORT_DATA, TOP_TRANSACTION

Block = tuple[int, int, int, int, int]
"""Tablespace, database, relation, fork and number of a block."""

_MOST_BLOCKS = 32
_IMAGE, _WILL_INIT, _SAME = 0x10, 0x40, 0x80
_HAS_HOLE = 0x01
_COMPRESSED = {False: 0x02, True: 0x1C}
"""Bits that say that an image is compressed: before version 15, and since."""

_SINCE_15 = 0xD110


def blocks_of(record: memoryview, magic: int) -> list[Block]:
    """The blocks that a record makes whole; `magic` is that of the log's pages, which tells the version."""
    found: list[Block] = []
    at, end, relation = HEADER, len(record), (0, 0, 0)
    compressed = _COMPRESSED[magic >= _SINCE_15]
    try:
        while at < end:
            kind = record[at]
            if kind in {SHORT_DATA, LONG_DATA}:
                break  # the main data come last, and block data behind them
            if kind in {ORIGIN, TOP_TRANSACTION}:
                at += 3 if kind == ORIGIN else 5
                continue
            if kind > _MOST_BLOCKS:
                break
            flags = record[at + 1]
            at += 4
            if flags & _IMAGE:
                info = record[at + 4]
                at += 5 + (2 if info & _HAS_HOLE and info & compressed else 0)
            if not flags & _SAME:
                relation = struct.unpack_from("<III", record, at)
                at += 12
            [number] = struct.unpack_from("<I", record, at)
            at += 4
            if flags & (_IMAGE | _WILL_INIT):
                found.append((*relation, flags & 0x0F, number))
    except (IndexError, struct.error):
        return found
    return found

"""Names of a cluster's databases, read from the catalog's own pages, without a server.

Sources: PostgreSQL, src/include/access/htup_details.h (tuple headers), storage/bufpage.h (line pointers),
catalog/pg_database.h; utils/cache/relmapper.c for the file map, whose checksum is a CRC-32C.
"""

from __future__ import annotations

import struct
from collections.abc import Iterator

PG_DATABASE = 1262
MAP = "global/pg_filenode.map"
_MAGIC = 0x592717
_MAPS = {62: 504, 64: 520}
"""Where the checksum of a file map stands, by the number of entries that it has room for."""

_NORMAL = 1
_XMAX_INVALID, _XMIN_INVALID, _XMIN_COMMITTED = 0x0800, 0x0200, 0x0100
_FROZEN = _XMIN_INVALID | _XMIN_COMMITTED


def map_holds(data: bytes) -> bool:
    """Whether a file map's checksum holds, in one of the shapes that servers write."""
    if len(data) < 508 or int.from_bytes(data[:4], "little") != _MAGIC:
        return False
    import crc32c

    return any(
        len(data) >= at + 4 and crc32c.crc32c(data[:at]) == int.from_bytes(data[at : at + 4], "little")
        for at in _MAPS.values()
    )


def mapped(data: bytes, relation: int) -> int:
    """The number of a mapped relation's file; its own where the map has none."""
    count = int.from_bytes(data[4:8], "little")
    for index in range(min(count, max(_MAPS))):
        oid, file = struct.unpack_from("<II", data, 8 + index * 8) if len(data) >= 16 + index * 8 else (0, 0)
        if oid == relation:
            return int(file)
    return relation


def database_names(pages: bytes, page_size: int) -> list[str]:
    """The databases in the pages of `pg_database`, as far as their rows are sure to be alive."""
    names = {}
    for start in range(0, len(pages) - page_size + 1, page_size):
        for oid, name in _databases(pages[start : start + page_size]):
            names[oid] = name
    return [names[oid] for oid in sorted(names)]


def _databases(page: bytes) -> Iterator[tuple[int, str]]:
    lower = int.from_bytes(page[12:14], "little")
    for at in range(24, min(lower, len(page) - 4), 4):
        pointer = int.from_bytes(page[at : at + 4], "little")
        offset, state, length = pointer & 0x7FFF, (pointer >> 15) & 3, pointer >> 17
        if state != _NORMAL or offset + length > len(page) or length < 24 + 68:
            continue
        row = page[offset : offset + length]
        flags, begin = int.from_bytes(row[20:22], "little"), row[22]
        dead = flags & _FROZEN == _XMIN_INVALID
        replaced = row[4:8] != bytes(4) and not flags & _XMAX_INVALID
        if dead or replaced or begin + 68 > length:
            continue
        name = row[begin + 4 : begin + 68].split(b"\0")[0]
        yield int.from_bytes(row[begin : begin + 4], "little"), name.decode("utf-8", "replace")

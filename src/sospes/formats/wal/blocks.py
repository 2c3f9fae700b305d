"""The blocks that records of the log change: which ones they are, and what is said of them, full images of pages too.

A page that was written while it was copied may be torn; recovery puts the image in its place that the log holds since
the backup began. Sources: PostgreSQL, src/include/access/xlogrecord.h (block headers), src/common/pg_lzcompress.c.
"""

from __future__ import annotations

import struct
from dataclasses import dataclass

from sospes.formats.wal.records import HEADER, LONG_DATA, ORIGIN, SHORT_DATA, TOP_TRANSACTION

Block = tuple[int, int, int, int, int]
"""Tablespace, database, relation, fork and number of a block."""

_MOST_BLOCKS = 32
HAS_IMAGE, _HAS_DATA, _WILL_INIT, SAME_RELATION = 0x10, 0x20, 0x40, 0x80
HAS_HOLE = 0x01
COMPRESSED = {False: 0x02, True: 0x1C}
"""Bits that say that an image is compressed: before version 15, and since."""

SINCE_15 = 0xD110
_PGLZ, _LZ4 = 0x04, 0x08


class BadImage(Exception):
    """An image of a page that can't be unpacked."""


@dataclass(frozen=True, slots=True)
class BlockPart:
    """What a record has of one block.

    image, data  where in the record its bytes are, from where to where; empty where it has none
    hole         where the image leaves out zeros, and how many of them; -1 where the lengths say how many
    info         how the image is packed
    """

    block: Block
    flags: int
    image: tuple[int, int]
    data: tuple[int, int]
    hole: tuple[int, int]
    info: int

    @property
    def is_whole(self) -> bool:
        """Whether the record makes the block whole, whatever was there before."""
        return bool(self.flags & (HAS_IMAGE | _WILL_INIT))

    @property
    def has_image(self) -> bool:
        """Whether the record has an image of the page."""
        return bool(self.flags & HAS_IMAGE)


@dataclass(frozen=True, slots=True)
class Parts:
    """The parts of a record: its blocks by their numbers in the record, and where its main data are."""

    blocks: dict[int, BlockPart]
    main: tuple[int, int]


def parts_of(record: memoryview, magic: int) -> Parts:
    """The parts of a record; `magic` is that of the log's pages, which tells the version.

    Raises ValueError for a record whose parts make no sense.
    """
    try:
        return _parts_of(record, COMPRESSED[magic >= SINCE_15])
    except (IndexError, struct.error) as error:
        raise ValueError("the parts of a record make no sense") from error


def blocks_of(record: memoryview, magic: int) -> list[Block]:
    """The blocks that a record makes whole; none for a record whose parts make no sense."""
    try:
        return [part.block for part in parts_of(record, magic).blocks.values() if part.is_whole]
    except ValueError:
        return []


def _parts_of(record: memoryview, compressed: int) -> Parts:
    at, end, relation = HEADER, len(record), (0, 0, 0)
    heads: list[tuple[int, Block, int, int, int, tuple[int, int], int]] = []
    main, behind = 0, 0  # data of blocks and main data stand behind all heads
    while at + behind + main < end:
        kind = record[at]
        if kind == SHORT_DATA:
            main, at = record[at + 1], at + 2
            break
        if kind == LONG_DATA:
            [main] = struct.unpack_from("<I", record, at + 1)
            at += 5
            break
        if kind in {ORIGIN, TOP_TRANSACTION}:
            at += 3 if kind == ORIGIN else 5
            continue
        if kind > _MOST_BLOCKS:
            raise ValueError(f"a part of a record is of kind {kind}")
        flags = record[at + 1]
        [data] = struct.unpack_from("<H", record, at + 2)
        at += 4
        image, hole, info = 0, (0, 0), 0
        if flags & HAS_IMAGE:
            image, begin, info = struct.unpack_from("<HHB", record, at)
            at += 5
            hole = (begin, -1)
            if info & compressed:
                hole = (begin, 0)
                if info & HAS_HOLE:
                    hole = (begin, *struct.unpack_from("<H", record, at))
                    at += 2
        if not flags & SAME_RELATION:
            relation = struct.unpack_from("<III", record, at)
            at += 12
        [number] = struct.unpack_from("<I", record, at)
        at += 4
        behind += image + data
        heads.append((kind, (*relation, flags & 0x0F, number), flags, image, data, hole, info))
    blocks = {}
    for kind, block, flags, image, data, hole, info in heads:
        blocks[kind] = BlockPart(block, flags, (at, at + image), (at + image, at + image + data), hole, info)
        at += image + data
    if at + main > end:
        raise ValueError("a record is shorter than its parts")
    return Parts(blocks, (at, at + main))


def page_of(record: memoryview, part: BlockPart, magic: int, size: int) -> bytes:
    """The page that a record has an image of. Raises BadImage."""
    stored = bytes(record[part.image[0] : part.image[1]])
    begin, hole = part.hole
    if hole < 0:
        hole = size - len(stored)
    else:
        stored = _unpacked(stored, part.info, size - hole, magic)
    if hole < 0 or begin > len(stored) or len(stored) + hole != size:
        raise BadImage("an image of a page has the wrong length")
    return stored[:begin] + bytes(hole) + stored[begin:]


def _unpacked(stored: bytes, info: int, length: int, magic: int) -> bytes:
    import lz4.block
    import zstandard

    try:
        if magic < SINCE_15 or info & _PGLZ:
            return _pglz(stored, length)
        if info & _LZ4:
            return bytes(lz4.block.decompress(stored, uncompressed_size=length))
        return zstandard.ZstdDecompressor().decompress(stored, max_output_size=length)
    except (lz4.block.LZ4BlockError, zstandard.ZstdError, IndexError) as error:
        raise BadImage(f"an image of a page can't be unpacked: {error}") from error


def _pglz(stored: bytes, length: int) -> bytes:
    """What the server's own compression packed: a bit of each control byte says whether bytes or a reference follow."""
    out = bytearray()
    at = 0
    while at < len(stored) and len(out) < length:
        control, at = stored[at], at + 1
        for bit in range(8):
            if at >= len(stored) or len(out) >= length:
                break
            if not control >> bit & 1:
                out.append(stored[at])
                at += 1
                continue
            size, back = (stored[at] & 0x0F) + 3, (stored[at] & 0xF0) << 4 | stored[at + 1]
            at += 2
            if size == 18:
                size, at = size + stored[at], at + 1
            if not 0 < back <= len(out):
                raise BadImage("an image of a page refers to what is not in it")
            for _ in range(min(size, length - len(out))):
                out.append(out[-back])
    return bytes(out)

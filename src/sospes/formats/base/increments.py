"""Files of an incremental backup that hold only the pages that were changed since another backup.

Source: PostgreSQL, src/include/backup/basebackup_incremental.h and src/backend/backup/basebackup.c (17 and 18): a
magic number, the number of pages, the length of the whole file in pages below which nothing was cut off, the pages'
numbers; where pages follow, zeros up to a page's border, then the pages.
"""

from __future__ import annotations

import struct
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

MAGIC = 0xD3AE1F0D
_FIXED = 12


@dataclass(frozen=True, slots=True)
class Increment:
    """The head of such a file: the pages' numbers, the least length of the whole file in pages, where pages begin."""

    blocks: NDArray[np.uint32]
    least: int
    begin: int


class BadIncrement(Exception):
    """A head that can't be one; the message says why."""


def length_of_head(data: bytes) -> int:
    """Bytes of the head that begins with `data`, of which the first twelve are needed. Raises BadIncrement."""
    if len(data) < _FIXED:
        raise BadIncrement("it is shorter than its head")
    magic, count, _ = struct.unpack_from("<III", data)
    if magic != MAGIC:
        raise BadIncrement("it doesn't begin like a file of changed pages")
    if count > 1 << 22:
        raise BadIncrement(f"it is said to hold {count:,} pages")
    return int(_FIXED + 4 * count)


def read_increment(data: bytes, page_size: int, per_file: int) -> Increment:
    """The head at the beginning of a file, all of which is in `data`. Raises BadIncrement."""
    length = length_of_head(data)
    if len(data) < length:
        raise BadIncrement("it is shorter than its head")
    _, count, least = struct.unpack_from("<III", data)
    blocks = np.frombuffer(data, "<u4", count, _FIXED)
    if least > per_file or (count and int(blocks.max()) >= per_file):
        raise BadIncrement(f"its head names pages past the {per_file:,} that a file can have")
    if count and len(np.unique(blocks)) != count:
        raise BadIncrement("its head names a page twice")
    begin = -(-length // page_size) * page_size if count else length
    return Increment(blocks, least, begin)

"""Digests of rows: a key and a digest for each, kept on disk in a form that is compared piece by piece.

The digest of a set of rows is the sum of its rows' digests modulo 2^128, so that order doesn't matter and doubled
rows show. Hash: XXH3 (xxHash specification), 128 bits for rows and 64 for keys; equal keys with unequal rows are
looked at again value by value, so a collision of keys costs time and nothing else.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from typing import IO

import numpy as np
import xxhash
from numpy.typing import NDArray

CHUNK_ROWS = 1 << 18
BUCKETS = 64
MODULUS = 1 << 128
ROW = np.dtype([("key", "<u8"), ("low", "<u8"), ("high", "<u8")])
Digested = NDArray[np.void]


def digest_lines(lines: Sequence[bytes | memoryview], keys: Sequence[bytes] | None) -> Digested:
    """One record for each line; without keys a line's own digest is its key."""
    digest = xxhash.xxh3_128_digest
    # The package gives the high half first; taking all of them in at once is several times as fast as one by one.
    joined = b"".join([digest(line) for line in lines])
    pairs = np.frombuffer(joined, dtype=">u8").reshape(-1, 2)
    found = np.empty(len(lines), dtype=ROW)
    found["high"], found["low"] = pairs[:, 0], pairs[:, 1]
    if keys is None:
        found["key"] = found["low"]
    else:
        hashed = xxhash.xxh3_64_intdigest
        found["key"] = np.array([hashed(key) for key in keys], dtype=np.uint64)
    return found


def sum_of_lines(lines: Sequence[bytes]) -> int:
    """The sum of some rows' digests, modulo 2^128."""
    joined = b"".join(map(xxhash.xxh3_128_digest, lines))
    pairs = np.frombuffer(joined, dtype=">u8").reshape(-1, 2)
    return (_sum(pairs[:, 1]) + (_sum(pairs[:, 0]) << 64)) % MODULUS


@dataclass(slots=True)
class DigestStore:
    """All digests of one table on one side, sorted in chunks; `file` takes them, and may be others' file, too."""

    file: IO[bytes]
    rows: int = 0
    total: int = 0
    _pending: list[Digested] = field(default_factory=list)
    _pending_rows: int = 0
    _chunks: list[tuple[int, NDArray[np.int64]]] = field(default_factory=list)

    def add(self, digests: Digested) -> None:
        """Take in the digests of some rows."""
        self.rows += len(digests)
        self.total = (self.total + _sum(digests["low"]) + (_sum(digests["high"]) << 64)) % MODULUS
        self._pending.append(digests)
        self._pending_rows += len(digests)
        if self._pending_rows >= CHUNK_ROWS:
            self.flush()

    def flush(self) -> None:
        """Put all that is in memory into the file."""
        if not self._pending:
            return
        chunk = np.concatenate(self._pending)
        chunk = chunk[np.argsort(chunk["key"], kind="stable")]
        # Where each bucket begins in the sorted chunk, so that later one bucket is read of all chunks and no more.
        borders = np.append(np.searchsorted(chunk["key"], _LOWEST), len(chunk))
        self._chunks.append((self.file.seek(0, 2), borders.astype(np.int64)))
        self.file.write(chunk.tobytes())
        self._pending, self._pending_rows = [], 0

    def buckets(self, first: int, last: int) -> Digested:
        """The digests whose keys fall into some of `BUCKETS` equal ranges: from the first to before the last."""
        self.flush()
        parts = []
        for offset, borders in self._chunks:
            begin, end = int(borders[first]), int(borders[last])
            self.file.seek(offset + begin * ROW.itemsize)
            parts.append(np.frombuffer(self.file.read((end - begin) * ROW.itemsize), dtype=ROW))
        return np.concatenate(parts) if parts else np.empty(0, dtype=ROW)


_LOWEST = np.array([number * ((1 << 64) // BUCKETS) for number in range(BUCKETS)], dtype=np.uint64)
"""The lowest key of each bucket."""


def _sum(values: NDArray[np.uint64]) -> int:
    """The exact sum, by halves that can't overflow."""
    return int((values & np.uint64(0xFFFFFFFF)).sum()) + (int((values >> np.uint64(32)).sum()) << 32)


@dataclass(frozen=True, slots=True)
class Unlike:
    """Where two sets differ.

    same      rows that both have
    *_only    keys that only that side has
    both      keys that both sides have, whose rows are not all the same
    """

    same: int
    left_only: NDArray[np.uint64]
    right_only: NDArray[np.uint64]
    both: NDArray[np.uint64]


def unlike(left: DigestStore, right: DigestStore) -> Unlike:
    """Compare two stores bucket by bucket; small ones at once."""
    same = 0
    parts: list[tuple[NDArray[np.uint64], ...]] = []
    step = BUCKETS if left.rows + right.rows <= CHUNK_ROWS else 1
    for first in range(0, BUCKETS, step):
        found, *keys = _bucket_unlike(left.buckets(first, first + step), right.buckets(first, first + step))
        same += found
        parts.append(tuple(keys))
    columns = [np.concatenate(column) for column in zip(*parts, strict=True)]
    return Unlike(same, columns[0], columns[1], columns[2])


def _bucket_unlike(left: Digested, right: Digested) -> tuple[int, *tuple[NDArray[np.uint64], ...]]:
    """The same for the rows of one range of keys: sorted together, equal ones stand side by side."""
    rows = np.concatenate((left, right))
    if not len(rows):
        none = np.empty(0, dtype=np.uint64)
        return 0, none, none, none
    is_left = np.arange(len(rows)) < len(left)
    # Sorted by key, then by digest: a run of equal rows says how many of them each side has, a run of equal keys
    # whether anything of that key is left over.
    order = np.lexsort((rows["high"], rows["low"], rows["key"]))
    rows, is_left = rows[order], is_left[order]
    starts = np.flatnonzero(np.concatenate(([True], rows[1:] != rows[:-1])))
    lefts = np.add.reduceat(is_left.astype(np.int64), starts)
    sizes = np.diff(np.append(starts, len(rows)))
    rights = sizes - lefts
    common = np.minimum(lefts, rights)
    keys = rows["key"][starts]
    key_starts = np.flatnonzero(np.concatenate(([True], keys[1:] != keys[:-1])))
    # Each common row takes one of either side away; what remains of a key is unlike.
    over = np.add.reduceat(sizes - 2 * common, key_starts) > 0
    has_left, has_right = np.add.reduceat(lefts, key_starts) > 0, np.add.reduceat(rights, key_starts) > 0
    keys = keys[key_starts]
    return (
        int(common.sum()),
        keys[over & ~has_right],
        keys[over & ~has_left],
        keys[over & has_left & has_right],
    )


def digest_rows(rows: Iterator[list[bytes]], key: Sequence[int]) -> Digested:
    """Digests of canonical rows; `key` are the indexes of the key's cells, none for whole rows."""
    lines, keys = [], []
    for cells in rows:
        lines.append(b"\t".join(cells))
        keys.append(key_text(cells, key))
    return digest_lines(lines, keys if key else None)


def key_text(cells: Sequence[bytes], key: Sequence[int]) -> bytes:
    """The canonical text of a row's key."""
    return b"\t".join([cells[index] for index in key])

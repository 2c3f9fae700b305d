"""Cuts lines into chunks at places that the lines themselves decide, so that the same lines give the same chunks
wherever they stand, and a line that is new or gone changes only the chunk around it."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np
from numpy.typing import NDArray

LINES = 256
"""About so many lines make a chunk."""

MOST_BYTES = 1 << 20
"""A chunk without any such place is cut behind the last line that ends within so many bytes."""

Ends = NDArray[np.int64]
_WORD = 8
_ODD = tuple(np.uint64(number) for number in (0x9E3779B97F4A7C15, 0xC2B2AE3D27D4EB4F, 0x165667B19E3779F9))
_FOLD, _SHIFT = np.uint64(32), np.uint64(64 - LINES.bit_length() + 1)
_MASKS = np.array([(1 << 8 * size) - 1 for size in range(_WORD)] + [(1 << 64) - 1], dtype=np.uint64)


class Cutter:
    """Cuts the lines of one table, given block by block."""

    def __init__(self) -> None:
        self._rest = b""

    @property
    def waiting(self) -> int:
        """Bytes of the chunk that isn't whole yet."""
        return len(self._rest)

    def cut(self, data: bytes, ends: Ends | None = None) -> list[bytes | memoryview]:
        """The chunks that are whole once these lines, each with its line feed, were added.

        ends  the places behind the lines, if somebody knows them
        """
        if ends is None:
            ends = line_ends(data)
        view = memoryview(data)
        found: list[bytes | memoryview] = []
        start = 0
        for end in ends[_borders(data, ends)].tolist():
            part = view[start:end]
            found += _small([self._rest + bytes(part)] if self._rest else [part])
            self._rest = b""
            start = end
        self._rest += data[start:]
        if len(self._rest) > MOST_BYTES:
            *whole, rest = _small([self._rest])
            found += whole
            self._rest = bytes(rest)
        return found

    def last(self) -> list[bytes | memoryview]:
        """What is left at the end."""
        rest, self._rest = self._rest, b""
        return [rest] if rest else []


def line_ends(data: bytes) -> Ends:
    """The places behind all lines."""
    return np.flatnonzero(np.frombuffer(data, dtype=np.uint8) == 10) + 1


def _small(chunks: list[bytes | memoryview]) -> Iterator[bytes | memoryview]:
    """Chunks with those cut that are too long."""
    for chunk in chunks:
        if len(chunk) <= MOST_BYTES:
            yield chunk
            continue
        data = bytes(chunk)
        start = 0
        while len(data) - start > MOST_BYTES:
            cut = data.rfind(b"\n", start, start + MOST_BYTES) + 1 or data.index(b"\n", start) + 1
            yield data[start:cut]
            start = cut
        yield data[start:]


def _borders(data: bytes, ends: Ends) -> NDArray[np.bool_]:
    """Behind which lines a chunk ends: decided by 24 bytes of the line itself."""
    if len(data) < _WORD or not len(ends):
        return np.zeros(len(ends), dtype=bool)
    last = len(data) - _WORD
    # One word of eight bytes for each byte of the block, without a copy: words overlap, as the stride is one byte.
    words: NDArray[np.uint64] = np.ndarray(shape=(last + 1,), dtype="<u8", buffer=data, strides=(1,))
    starts = np.concatenate((np.zeros(1, dtype=np.int64), ends[:-1]))
    lengths = ends - starts
    room = np.maximum(lengths - _WORD, 0)
    mask = _MASKS[np.minimum(lengths, _WORD)]
    mixed = np.zeros(len(ends), dtype=np.uint64)
    # Eight bytes from the beginning, the middle and the end of a line are enough to tell lines apart by chance; a
    # digest of each whole line would cost more than all else.
    for places, odd in zip((starts, starts + (room >> 1), starts + room), _ODD, strict=True):
        mixed ^= (words[np.minimum(places, last)] & mask) * odd
        mixed ^= mixed >> _FOLD
    mixed *= _ODD[0]
    found: NDArray[np.bool_] = (mixed >> _SHIFT) == 0
    return found

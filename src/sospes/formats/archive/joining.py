"""Joins the blocks of a member: without compression a server writes each row as a block of its own."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from sospes.formats.archive.bytestream import ByteStream, CutShort
from sospes.stream.containers import Block

BLOCK_SIZE = 1 << 20
SLOW_BLOCKS = 1000
"""After blocks that are no rows, so many are taken one by one before rows are looked for again."""


class Joiner:
    """Takes blocks from a stream up to the one of length zero. `width` is the size of their heads in bytes.

    `limit` is the offset before which they have to end, None if that isn't known. Raises CutShort where the
    stream or the limit comes first; what was read before has been yielded.
    """

    def __init__(self, stream: ByteStream, width: int, rows: bool, limit: int | None = None) -> None:
        self._stream = stream
        self._width = width
        self._limit = limit
        # The fast way counts on heads of a sign byte and four bytes of length.
        self._fast = rows and width == 5
        self._buffer = b""
        self._parts: list[bytes] = []
        self._size = 0
        self._plain = 0
        self._slow = 0

    def blocks(self) -> Iterator[Block]:
        """The joined blocks, each about 1 MiB, with plain offsets from 0."""
        try:
            while self._take():
                if self._size >= BLOCK_SIZE:
                    yield self._joined()
        except CutShort:
            if self._size:
                yield self._joined()
            raise
        self._give_back()
        if self._size:
            yield self._joined()

    def _joined(self) -> Block:
        block = Block(b"".join(self._parts), self._plain, self._stream.offset)
        self._plain += self._size
        self._parts, self._size = [], 0
        return block

    def _add(self, data: bytes) -> None:
        self._parts.append(data)
        self._size += len(data)

    def _take(self) -> bool:
        """Take one block, or many at once where they are rows; False at the end."""
        if self._fast and self._slow == 0:
            if len(self._buffer) < BLOCK_SIZE // 4:
                self._buffer += self._stream.some(BLOCK_SIZE)
            # What isn't recognised as rows goes the slow way for a while: looking again at each block would cost more.
            data, used = joined_rows(self._buffer)
            if used:
                self._add(data)
                self._buffer = self._buffer[used:]
                return True
            self._slow = SLOW_BLOCKS if len(self._buffer) > BLOCK_SIZE // 2 else 1
        self._slow = max(0, self._slow - 1)
        head = self._exactly(self._width)
        length = int.from_bytes(head[1:], "little")
        # The writer ends a member with a length of 0; a negative one can't be, and ends it as well.
        if length == 0 or head[0]:
            return False
        begin = self._stream.offset - len(self._buffer)
        # A damaged length must not swallow the next member, whose place the contents know.
        if self._limit is not None and begin + length > self._limit:
            raise CutShort(begin, length)
        self._add(self._exactly(length))
        return True

    def _exactly(self, length: int) -> bytes:
        if len(self._buffer) < length:
            self._buffer += self._stream.read(length - len(self._buffer))
        data, self._buffer = self._buffer[:length], self._buffer[length:]
        return data

    def _give_back(self) -> None:
        if self._buffer:
            self._stream.seek(self._stream.offset - len(self._buffer))


def joined_rows(buffer: bytes) -> tuple[bytes, int]:
    """The text of the blocks at the start of `buffer` that are one line each, and how many bytes they took.

    A head stands behind each line feed; that each length leads exactly to the next one proves the whole row of them.
    """
    values = np.frombuffer(buffer, dtype=np.uint8)
    if len(values) < 10:
        return b"", 0
    # The last five bytes can't hold a head and a byte of text: they wait for the next block.
    heads = np.concatenate(([0], np.flatnonzero(values[:-5] == 10) + 1))
    lengths = np.zeros(len(heads), dtype=np.int64)
    for place in range(4):
        lengths |= values[heads + 1 + place].astype(np.int64) << (8 * place)
    # Line feeds within a text, which COPY never writes, would break the chain here and send it the slow way.
    good = (heads[:-1] + 5 + lengths[:-1] == heads[1:]) & (values[heads[:-1]] == 0) & (lengths[:-1] > 0)
    count = len(good) if good.all() else int(np.argmin(good))
    if count == 0:
        return b"", 0
    used = int(heads[count])
    keep = np.ones(used, dtype=np.bool_)
    for place in range(5):
        keep[heads[:count] + place] = False
    return values[:used][keep].tobytes(), used

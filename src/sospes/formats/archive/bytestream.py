"""Exact reads from a file that can be sought in, or from plain blocks that only go forward."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from typing import BinaryIO, Protocol

from sospes.model.findings import Finding
from sospes.stream.containers import Block

READ_SIZE = 1 << 20


class CutShort(Exception):
    """The bytes end before what was to be read. `offset` is where they end."""

    def __init__(self, offset: int, wanted: int) -> None:
        super().__init__(offset, wanted)
        self.offset, self.wanted = offset, wanted


class ByteStream(Protocol):
    """Reads exactly what is asked for, or raises CutShort."""

    seekable: bool

    @property
    def offset(self) -> int:
        """Where the next byte is read, from the start."""
        ...

    def read(self, length: int) -> bytes:
        """Exactly `length` bytes."""
        ...

    def some(self, most: int) -> bytes:
        """At least one and at most `most` bytes; none at the end."""
        ...

    def skip(self, length: int) -> None:
        """Pass over exactly `length` bytes."""
        ...

    def seek(self, offset: int) -> None:
        """Go on reading at `offset`; forward only where the stream isn't seekable."""
        ...


class FileStream:
    """A file on disk; `origin` is where the stream starts in it and `size` its length, in bytes."""

    seekable = True

    def __init__(self, path: Path, origin: int = 0, size: int | None = None) -> None:
        self._file: BinaryIO = path.open("rb", buffering=READ_SIZE)
        self._origin = origin
        self.size = path.stat().st_size - origin if size is None else size
        self._offset = 0
        self._file.seek(origin)

    @property
    def offset(self) -> int:
        return self._offset

    def read(self, length: int) -> bytes:
        data = self.some(length)
        while len(data) < length:
            more = self.some(length - len(data))
            if not more:
                raise CutShort(self._offset, length)
            data += more
        return data

    def some(self, most: int) -> bytes:
        data = self._file.read(max(0, min(most, self.size - self._offset)))
        self._offset += len(data)
        return data

    def skip(self, length: int) -> None:
        if self._offset + length > self.size:
            raise CutShort(self.size, length)
        self.seek(self._offset + length)

    def seek(self, offset: int) -> None:
        self._offset = offset
        self._file.seek(self._origin + offset)

    def close(self) -> None:
        """Let go of the file."""
        self._file.close()


class BlockStream:
    """Plain blocks as they come out of a container or of standard input; what is found there is kept."""

    seekable = False

    def __init__(self, blocks: Iterator[Block | Finding]) -> None:
        self._blocks = blocks
        self._data = b""
        self._position = 0
        self._base = 0
        self.findings: list[Finding] = []

    @property
    def offset(self) -> int:
        return self._base + self._position

    def _fill(self) -> bool:
        for block in self._blocks:
            if isinstance(block, Finding):
                self.findings.append(block)
                continue
            self._base += len(self._data)
            self._data, self._position = block.data, 0
            return True
        return False

    def some(self, most: int) -> bytes:
        if self._position == len(self._data) and not self._fill():
            return b""
        data = self._data[self._position : self._position + most]
        self._position += len(data)
        return data

    def read(self, length: int) -> bytes:
        parts = []
        left = length
        while left:
            part = self.some(left)
            if not part:
                raise CutShort(self.offset, length)
            parts.append(part)
            left -= len(part)
        return b"".join(parts)

    def skip(self, length: int) -> None:
        while length:
            part = self.some(min(length, READ_SIZE))
            if not part:
                raise CutShort(self.offset, length)
            length -= len(part)

    def seek(self, offset: int) -> None:
        self.skip(offset - self.offset)

    def peek(self, length: int) -> bytes:
        """The next bytes of the block at hand, which stay unread."""
        if self._position < len(self._data) or self._fill():
            return self._data[self._position : self._position + length]
        return b""

    def close(self) -> None:
        """Nothing is held."""

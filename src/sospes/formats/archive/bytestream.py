"""Exact reads from a file that can be sought in, or from plain blocks that only go forward."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Protocol

from sospes.model.findings import Finding
from sospes.places.source import Source
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

    def leftover(self) -> Iterator[Finding]:
        """Read on to the end, and say what was found about the containers on the way."""
        ...

    def seek(self, offset: int) -> None:
        """Go on reading at `offset`; forward only where the stream isn't seekable."""
        ...


class SourceStream:
    """A source that can be read anywhere, a MiB at a time: whoever stops early has nothing to close."""

    seekable = True

    def __init__(self, source: Source) -> None:
        self._source = source
        self.size = source.size or 0
        self._data = b""
        self._position = 0
        self._base = 0

    @property
    def offset(self) -> int:
        return self._base + self._position

    def some(self, most: int) -> bytes:
        if self._position == len(self._data):
            self._base, self._position = self.offset, 0
            self._data = self._source.part(self._base, READ_SIZE)
        data = self._data[self._position : self._position + most]
        self._position += len(data)
        return data

    def read(self, length: int) -> bytes:
        return _exactly(self, length)

    def skip(self, length: int) -> None:
        if self.offset + length > self.size:
            raise CutShort(self.size, length)
        self.seek(self.offset + length)

    def seek(self, offset: int) -> None:
        # A short way on, as over a head, mostly stays within what was read already.
        if self._base <= offset <= self._base + len(self._data):
            self._position = offset - self._base
        else:
            self._base, self._position, self._data = offset, 0, b""

    def leftover(self) -> Iterator[Finding]:
        """There are no containers around it."""
        yield from ()


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
        return _exactly(self, length)

    def skip(self, length: int) -> None:
        while length:
            part = self.some(min(length, READ_SIZE))
            if not part:
                raise CutShort(self.offset, length)
            length -= len(part)

    def seek(self, offset: int) -> None:
        self.skip(offset - self.offset)

    def leftover(self) -> Iterator[Finding]:
        """Checksums stand at the end of containers, behind all that the archive has.

        Places in a table's data count from its own beginning, so damage around the archive is said of all of it.
        """
        while self.some(1 << 20):
            pass
        for finding in self.findings:
            yield finding.at(plain_from=0, plain_to=self.offset) if finding.code == "container-damaged" else finding
        self.findings = []

    def peek(self, length: int) -> bytes:
        """The next bytes of the block at hand, which stay unread."""
        if self._position < len(self._data) or self._fill():
            return self._data[self._position : self._position + length]
        return b""


def _exactly(stream: ByteStream, length: int) -> bytes:
    """The next `length` bytes; raises CutShort if there are fewer."""
    # Nearly always it lies in one block, and nothing is joined.
    data = stream.some(length)
    if len(data) == length:
        return data
    parts = [data]
    left = length - len(data)
    while left:
        part = stream.some(left)
        if not part:
            raise CutShort(stream.offset, length)
        parts.append(part)
        left -= len(part)
    return b"".join(parts)

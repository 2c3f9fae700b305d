"""Bytes that come once and in order: standard input, or what was taken from elsewhere."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

from sospes.model.errors import CannotCheck
from sospes.model.findings import Finding
from sospes.places.source import READ_SIZE, Readable


class ReadOnce:
    """A stream that is given out once: its bytes can't come a second time."""

    def __init__(self, stream: Readable) -> None:
        self._stream: Readable | None = stream

    def given(self) -> Readable | None:
        """The stream; None where somebody has it."""
        stream, self._stream = self._stream, None
        return stream


class Streamed:
    """A source that can be read once, from its beginning. What `head` has taken, `blocks` gives once more."""

    size: int | None = None
    path: Path | None = None
    changed_at: float | None = None

    def __init__(self, name: str, stream: Readable) -> None:
        self.name = name
        self._stream = stream
        self._head = b""

    def blocks(self, start: int = 0) -> Iterator[bytes]:
        """All bytes; `start` is always 0."""
        if start:
            raise CannotCheck(f"{self.name}: can be read from its beginning only", "put it into a file and name that")
        if self._head:
            yield self._head
        while block := self._stream.read(READ_SIZE):
            yield block

    def head(self, length: int) -> bytes:
        """The first `length` bytes, fewer where there are no more."""
        while len(self._head) < length and (block := self._stream.read(length - len(self._head))):
            self._head += block
        return self._head[:length]

    def part(self, start: int, length: int) -> bytes:
        """Bytes of what `head` has taken."""
        return self._head[start : start + length]

    def changes(self) -> Iterator[Finding]:
        """Nobody can change it."""
        yield from ()

"""What a place is to the rest of the program: stored bytes that can be read, whole or in parts.

Only places open files. A new one (a web address, an object store) is a module with an object of the protocol `Source`,
and one line in `registry.py`.
"""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from typing import Protocol

from sospes.model.findings import Finding

READ_SIZE = 1 << 20
"""Bytes that are read at a time."""


class Readable(Protocol):
    """Anything that gives its bytes in order, once."""

    def read(self, length: int, /) -> bytes | None:
        """Up to `length` bytes; nothing at the end."""
        ...


class Source(Protocol):
    """Stored bytes in order."""

    @property
    def name(self) -> str:
        """What people call it: a path, an address, or `-`."""
        ...

    @property
    def size(self) -> int | None:
        """Bytes in all; None where only reading to the end would tell, and the bytes can be read only once."""
        ...

    @property
    def path(self) -> Path | None:
        """The path, where it is a single file on a disk of this machine."""
        ...

    @property
    def changed_at(self) -> float | None:
        """When it was last written to, in seconds since 1970; None where nothing tells."""
        ...

    def blocks(self, start: int = 0) -> Iterator[bytes]:
        """All bytes from `start`, in blocks of about 1 MiB. Raises CannotCheck where reading stops."""
        ...

    def head(self, length: int) -> bytes:
        """The first `length` bytes, fewer where there are no more; `blocks` gives them all the same."""
        ...

    def part(self, start: int, length: int) -> bytes:
        """The bytes from offset `start`, fewer than `length` only at the end.

        Several threads may ask at once, where the size is known.
        """
        ...

    def changes(self) -> Iterator[Finding]:
        """A doubt for everything that was altered since the source was opened."""
        ...

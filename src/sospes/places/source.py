"""Sources of stored bytes: a file, several pieces read as one, or standard input."""

from __future__ import annotations

import os
import stat
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from pathlib import Path
from typing import Protocol

from sospes.model.errors import CannotCheck, NotFound, UsageError
from sospes.model.findings import Finding, doubt

READ_SIZE = 1 << 20


@dataclass(frozen=True, slots=True)
class Piece:
    """One file of a source, with the size in bytes and the time stamp that it had when it was opened."""

    path: Path
    size: int
    changed_ns: int


class Readable(Protocol):
    """Anything that gives its bytes in order, once."""

    def read(self, length: int, /) -> bytes | None:
        """Up to `length` bytes; nothing at the end."""
        ...


class Source:
    """Stored bytes in order. `size` is in bytes, None for standard input, which can be read only once."""

    def __init__(self, name: str, pieces: Sequence[Piece] = (), stream: Readable | None = None) -> None:
        self.name = name
        self.pieces = tuple(pieces)
        self._stream = stream

    @property
    def size(self) -> int | None:
        """Bytes in all; None where only reading to the end would tell."""
        return sum(piece.size for piece in self.pieces) if self.pieces else None

    @property
    def path(self) -> Path | None:
        """The path, when the source is a single file on disk."""
        return self.pieces[0].path if len(self.pieces) == 1 else None

    def blocks(self, start: int = 0) -> Iterator[bytes]:
        """All bytes from `start`, in blocks of about 1 MiB."""
        if self._stream is not None:
            while block := self._stream.read(READ_SIZE):
                yield block
            return
        for piece in self.pieces:
            if start >= piece.size:
                start -= piece.size
                continue
            try:
                with piece.path.open("rb", buffering=0) as file:
                    file.seek(start)
                    while block := file.read(READ_SIZE):
                        yield block
            except OSError as error:
                raise CannotCheck(f"{piece.path}: reading stopped: {error.strerror}", _DISK_ADVICE) from error
            start = 0

    def head(self, length: int) -> bytes:
        """The first `length` bytes, fewer when there are no more. Standard input keeps them for `blocks`."""
        if self._stream is not None:
            head = b""
            while len(head) < length and (block := self._stream.read(length - len(head))):
                head += block
            self._stream = _Joined(head, self._stream)
            return head
        return self.tail_from(0, length)

    def tail_from(self, start: int, length: int) -> bytes:
        """Up to `length` bytes from offset `start`."""
        parts = []
        for block in self.blocks(start):
            parts.append(block[:length])
            length -= len(parts[-1])
            if length <= 0:
                break
        return b"".join(parts)

    def part(self, start: int, length: int) -> bytes:
        """The bytes from offset `start`, fewer than `length` only at the end; may be called by several threads."""
        for piece in self.pieces:
            if start >= piece.size:
                start -= piece.size
                continue
            if start + length > piece.size and piece is not self.pieces[-1]:
                break
            try:
                with piece.path.open("rb", buffering=0) as file:
                    return os.pread(file.fileno(), length, start)
            except OSError as error:
                raise CannotCheck(f"{piece.path}: reading stopped: {error.strerror}", _DISK_ADVICE) from error
        return self.tail_from(start, length)

    def changes(self) -> Iterator[Finding]:
        """A doubt for every piece that was altered since it was opened."""
        for piece in self.pieces:
            now = piece.path.stat()
            if (now.st_size, now.st_mtime_ns) != (piece.size, piece.changed_ns):
                yield doubt(
                    "changed-while-read",
                    f"the file changed while it was read ({piece.size:,} bytes then, {now.st_size:,} now)",
                    "wait until the backup program has ended, then run this again",
                ).at(file=str(piece.path))


class _Joined:
    """Bytes already taken from a stream, then the rest of it."""

    def __init__(self, head: bytes, rest: Readable) -> None:
        self._head = head
        self._rest = rest

    def read(self, length: int, /) -> bytes | None:
        if self._head:
            part, self._head = self._head[:length], self._head[length:]
            return part
        return self._rest.read(length)


_DISK_ADVICE = "check the disk or share that it lies on, then run this again"


def open_source(paths: Sequence[Path], stdin: Readable | None = None) -> Source:
    """A source over one file, over several pieces in order, or over standard input (the path `-`).

    Raises NotFound for what isn't there, UsageError for a folder, CannotCheck where access is refused.
    """
    if [str(path) for path in paths] == ["-"]:
        if stdin is None:
            raise UsageError("standard input can't be read a second time", "name a file instead of -")
        return Source("-", stream=stdin)
    return Source(str(paths[0]), [_piece(path) for path in paths])


def _piece(path: Path) -> Piece:
    try:
        status = path.stat()
        if stat.S_ISDIR(status.st_mode):
            raise UsageError(f"{path}: is a folder, a file was expected", "name a backup file inside it")
        if not stat.S_ISREG(status.st_mode):
            raise UsageError(
                f"{path}: is not a regular file", "send a pipe or a device to standard input and name it -"
            )
        with path.open("rb"):
            pass
    except FileNotFoundError as error:
        raise NotFound(f"{path}: no such file", _near_files(path)) from error
    except PermissionError as error:
        raise CannotCheck(f"{path}: reading it is not allowed", "run this as a user who may read the file") from error
    except OSError as error:
        raise CannotCheck(f"{path}: can't be opened: {error.strerror}", _DISK_ADVICE) from error
    return Piece(path, status.st_size, status.st_mtime_ns)


def _near_files(path: Path) -> str:
    import difflib

    try:
        names = [other.name for other in path.parent.iterdir()]
    except OSError:
        return f"the folder {path.parent} can't be read either; check the path"
    near = difflib.get_close_matches(path.name, names, n=3)
    return f"did you mean {', '.join(near)}?" if near else "check the path"

"""Files on disks of this machine: one, several that are pieces of one backup, or a folder that is one backup."""

from __future__ import annotations

import os
import stat
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from pathlib import Path

from sospes.model.errors import CannotCheck, NotFound, UsageError
from sospes.model.findings import Finding, doubt
from sospes.places.source import READ_SIZE

_DISK_ADVICE = "check the disk or share that it lies on, then run this again"


@dataclass(frozen=True, slots=True)
class Piece:
    """A file, with the size in bytes and the time stamp that it had when it was opened."""

    path: Path
    size: int
    changed_ns: int


@dataclass(frozen=True, slots=True)
class LocalFiles:
    """Files that are read as one, in order."""

    name: str
    pieces: tuple[Piece, ...]

    @property
    def size(self) -> int:
        """Bytes in all."""
        return sum(piece.size for piece in self.pieces)

    @property
    def path(self) -> Path | None:
        """The path, where it is a single file."""
        return self.pieces[0].path if len(self.pieces) == 1 else None

    @property
    def changed_at(self) -> float | None:
        """When it was last written to, in seconds since 1970, as it was when it was opened."""
        return max((piece.changed_ns for piece in self.pieces), default=0) / 1e9

    def blocks(self, start: int = 0) -> Iterator[bytes]:
        """All bytes from `start`, in blocks of about 1 MiB. Raises CannotCheck where reading stops."""
        for piece, begin in self._from(start):
            try:
                with piece.path.open("rb", buffering=0) as file:
                    file.seek(begin)
                    while block := file.read(READ_SIZE):
                        yield block
            except OSError as error:
                raise _stopped(piece, error) from error

    def _from(self, start: int) -> Iterator[tuple[Piece, int]]:
        """The pieces that hold the bytes from `start` on, each with the offset in it where they begin."""
        for piece in self.pieces:
            if start < piece.size:
                yield piece, start
            start = max(0, start - piece.size)

    def head(self, length: int) -> bytes:
        """The first `length` bytes, fewer where there are no more."""
        return self.part(0, length)

    def part(self, start: int, length: int) -> bytes:
        """The bytes from offset `start`, fewer than `length` only at the end; by any thread."""
        parts = []
        for piece, begin in self._from(start):
            try:
                with piece.path.open("rb", buffering=0) as file:
                    # pread needs no position of its own: several threads read one file at once.
                    parts.append(os.pread(file.fileno(), length, begin))
            except OSError as error:
                raise _stopped(piece, error) from error
            length -= len(parts[-1])
            if length <= 0:
                break
        return b"".join(parts)

    def changes(self) -> Iterator[Finding]:
        """A doubt for every piece that was altered, or has gone, since it was opened."""
        for piece in self.pieces:
            try:
                now = piece.path.stat()
            except OSError as error:
                yield _changed(f"the file was taken away while it was read: {error.strerror}", piece)
                continue
            if (now.st_size, now.st_mtime_ns) != (piece.size, piece.changed_ns):
                sizes = f"{piece.size:,} bytes then, {now.st_size:,} now"
                yield _changed(f"the file changed while it was read ({sizes})", piece)


@dataclass(frozen=True, slots=True)
class LocalFolder(LocalFiles):
    """A folder that is one backup: each file in it can be had by its name. Links lead elsewhere, and are none of it."""

    by_name: Mapping[str, Piece] = field(default_factory=dict)

    def names(self) -> list[str]:
        """The names of all files in it, in order."""
        return list(self.by_name)

    def file(self, name: str, *, linked: bool = False) -> LocalFiles | None:
        """A file in it; None where there is none of that name. One that is `linked` may lie elsewhere."""
        found = self.by_name.get(name)
        if found is None and linked and (path := Path(self.name, name)).is_file():
            found = _piece(path)
        return LocalFiles(str(found.path), (found,)) if found is not None else None


def local_files(paths: Sequence[Path]) -> LocalFiles:
    """A source over one file, or over several pieces in order.

    Raises NotFound for what isn't there, UsageError for a folder, CannotCheck where access is refused.
    """
    return LocalFiles(str(paths[0]), tuple(_piece(path) for path in paths))


def local_folder(folder: Path) -> LocalFolder:
    """A source over all files of a folder, and of those in it; names are paths from it."""
    root = str(folder)
    found = [f"{place}/{name}" for place, _, names in os.walk(root) for name in names]
    found = [path for path in found if stat.S_ISREG(os.lstat(path).st_mode)]
    found.sort(key=lambda path: path.split("/"))
    by_name = {path[len(root) + 1 :]: _piece(Path(path)) for path in found}
    return LocalFolder(root, tuple(by_name.values()), by_name)


def _stopped(piece: Piece, error: OSError) -> CannotCheck:
    return CannotCheck(f"{piece.path}: reading stopped: {error.strerror}", _DISK_ADVICE)


def _changed(message: str, piece: Piece) -> Finding:
    advice = "wait until the backup program has ended, then run this again"
    return doubt("changed-while-read", message, advice).at(file=str(piece.path))


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

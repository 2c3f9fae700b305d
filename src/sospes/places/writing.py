"""Writes whole files, beside and renamed once they are complete, and files that are never seen."""

from __future__ import annotations

import errno
import fcntl
import os
import re
import stat
from collections.abc import Iterable
from pathlib import Path
from tempfile import TemporaryFile
from typing import IO

from sospes.model.errors import CannotCheck, UsageError

OWN = 0o600
"""Rights of what is written: rows and reports are for whoever asked for them."""


def opened_own(path: Path) -> IO[bytes]:
    """A new file that only its owner may read. Raises FileExistsError if there is one already."""
    return os.fdopen(os.open(path, os.O_RDWR | os.O_CREAT | os.O_EXCL | os.O_CLOEXEC, OWN), "w+b")


def beginning_of(path: Path, most: int = 1 << 20) -> bytes:
    """The first bytes of a plain file in a folder where others may write. Raises OSError for anything else."""
    place = os.open(path, os.O_RDONLY | os.O_NOFOLLOW | os.O_NONBLOCK | os.O_CLOEXEC)
    with os.fdopen(place, "rb") as file:
        if not stat.S_ISREG(os.fstat(place).st_mode):
            raise OSError(errno.EINVAL, "no plain file", str(path))
        return file.read(most)


def require_free(path: Path, *, overwrite: bool, advice: str) -> None:
    """See to it that a file may be put there. Raises UsageError where one is, or what isn't a plain file."""
    try:
        mode = path.lstat().st_mode
    except FileNotFoundError:
        return
    except OSError as error:
        raise CannotCheck(f"{path}: {error.strerror}", advice) from error
    if not stat.S_ISREG(mode):
        kind = next((word for is_kind, word in _KINDS if is_kind(mode)), "no plain file")
        raise UsageError(f"{path}: is {kind}, which is never replaced", "name a plain file")
    if not overwrite:
        raise UsageError(f"{path}: is there already", advice)


_KINDS = (
    (stat.S_ISDIR, "a folder"), (stat.S_ISLNK, "a link"), (stat.S_ISFIFO, "a pipe"), (stat.S_ISSOCK, "a socket"),
    (stat.S_ISBLK, "a device"), (stat.S_ISCHR, "a device"),
)  # fmt: skip


_LONGEST_NAME = 120
PARTIAL = re.compile(r"\..+\.(\d+)-([A-Za-z0-9_-]*)\.sospes-part(?:-journal|-wal|-shm)?", re.DOTALL)
"""Names of files that are not complete: who writes them, the number of a process and a machine."""


def machine() -> str:
    """This machine's name, as names of files may hold it."""
    return re.sub(r"[^A-Za-z0-9-]", "_", os.uname().nodename)[:60]


def partial(path: Path) -> Path:
    """Where a file is written, beside its place, until it is complete."""
    return path.with_name(f".{path.name[:_LONGEST_NAME]}.{os.getpid()}-{machine()}.sospes-part")


def write_whole(path: Path, parts: Iterable[bytes], advice: str) -> None:
    """Put a file in its place at once. Raises CannotCheck, with nothing changed, where that fails."""
    beside = partial(path)
    try:
        with opened_own(beside) as file:
            file.writelines(parts)
        beside.replace(path)
    except OSError as error:
        raise CannotCheck(f"{path}: can't be written: {error.strerror}", advice) from error
    finally:
        beside.unlink(missing_ok=True)


_FICLONE = 0x40049409
"""Linux, ioctl_ficlone(2)."""


def cloned(source: Path, target: Path) -> bool:
    """Whether a file was copied by sharing its blocks, which takes no time and no space; few file systems can."""
    place = os.open(source, os.O_RDONLY | os.O_NOFOLLOW | os.O_NONBLOCK | os.O_CLOEXEC)
    with os.fdopen(place, "rb") as one, target.open("wb") as other:
        try:
            fcntl.ioctl(other.fileno(), _FICLONE, one.fileno())
        except OSError:
            return False
    return True


def nameless_file(folder: Path | None) -> IO[bytes]:
    """A temporary file without a name, which is gone as soon as it is closed, whatever happens."""
    return TemporaryFile(dir=folder)

"""Folders and files that Sospes makes for itself, told from anybody else's, so that what a killed run left can go.

A folder holds a mark; a file that is not complete yet has a name that says who writes it.
"""

from __future__ import annotations

import json
import os
import shutil
import stat
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from dataclasses import dataclass
from pathlib import Path

from sospes.model.errors import CannotCheck
from sospes.places.writing import PARTIAL, beginning_of, machine, partial

MARK = "made-by-sospes.json"
"""The file that says who made a folder: the number of the run's process, and its machine."""

WORK = "sospes-work-"
"""How folders begin that hold what a run needs until it ends."""


def write_mark(folder: Path, **more: object) -> None:
    """Mark a folder as made by this run; `more` goes into the mark as well."""
    mark = {"made_by": "sospes", "owner": os.getpid(), "machine": machine(), **more}
    (folder / MARK).write_text(json.dumps(mark))


def mark_of(folder: Path) -> dict[str, object] | None:
    """What a folder's mark says; None for a folder without one."""
    with suppress(OSError, ValueError):
        mark = json.loads(beginning_of(folder / MARK))
        if isinstance(mark, dict) and mark.get("made_by") == "sospes":
            return mark
    return None


def alive(pid: object) -> bool:
    """Whether a process of that number runs on this machine."""
    if not isinstance(pid, int) or pid <= 0:
        return False
    import psutil

    try:
        return bool(psutil.Process(pid).status() != psutil.STATUS_ZOMBIE)
    except psutil.NoSuchProcess:
        return False
    except psutil.AccessDenied:
        return True


def is_in_use(mark: dict[str, object]) -> bool:
    """Whether the run that made a folder goes on; one of another machine may."""
    return mark.get("machine") != machine() or alive(mark.get("owner"))


@contextmanager
def work_folder(within: Path | None) -> Iterator[Path]:
    """A new folder that goes at the end of the `with`, in `within` or in the system's temporary folder."""
    with tempfile.TemporaryDirectory(prefix=WORK, dir=within) as folder:
        write_mark(Path(folder))
        yield Path(folder)


def put_in_place(source: Path, folder: Path) -> None:
    """Move a folder to its place, which appears at once; to another file system it is copied beside it first.

    Raises CannotCheck, with nothing left there, where that fails.
    """
    beside = partial(folder)
    try:
        if _same_disk(source, folder.absolute().parent):
            source.rename(folder)
            return
        beside.mkdir(mode=0o700)
        write_mark(beside)
        shutil.copytree(source, beside, symlinks=True, dirs_exist_ok=True)
        (beside / MARK).unlink()
        beside.rename(folder)
    except OSError as error:
        advice = "name a new folder, on a disk with room for it"
        raise CannotCheck(f"{folder}: can't be written: {error.strerror or error}", advice) from error
    finally:
        shutil.rmtree(beside, ignore_errors=True)


def _same_disk(one: Path, other: Path) -> bool:
    return one.stat().st_dev == other.stat().st_dev


@dataclass(frozen=True, slots=True, kw_only=True)
class Unfinished:
    """A work folder or a partial file that is still there; `bytes` is its size.

    in_use   whether it is being written, or was by another machine, which nobody here can ask
    own      whether it belongs to this user
    """

    path: Path
    bytes: int
    in_use: bool
    own: bool


def unfinished(place: Path) -> Iterator[Unfinished]:
    """Work folders and partial files in a folder, by name. Raises CannotCheck for a folder that can't be read."""
    try:
        paths = sorted(place.iterdir())
    except OSError as error:
        raise CannotCheck(f"{place}: {error.strerror}", "check its rights") from error
    for path in paths:
        found = PARTIAL.fullmatch(path.name)
        try:
            state = path.lstat()
        except FileNotFoundError:
            continue  # it was finished by now
        own = state.st_uid == os.geteuid()
        is_ours = found is not None or path.name.startswith(WORK)
        if found is not None and stat.S_ISREG(state.st_mode):
            in_use = found[2] != machine() or alive(int(found[1]))
            yield Unfinished(path=path, bytes=state.st_size, in_use=in_use, own=own)
        elif is_ours and stat.S_ISDIR(state.st_mode) and (mark := mark_of(path)) is not None:
            yield Unfinished(path=path, bytes=size_of(path), in_use=is_in_use(mark), own=own)


def size_of(folder: Path) -> int:
    """Bytes of all files in a folder; what goes meanwhile counts nothing."""
    return sum(map(_size, folder.rglob("*")))


def _size(path: Path) -> int:
    try:
        return path.stat().st_size if path.is_file() and not path.is_symlink() else 0
    except OSError:
        return 0


def drop_unfinished(item: Unfinished) -> None:
    """Delete a work folder or a partial file. Raises CannotCheck if that fails."""
    try:
        if item.path.is_dir():
            shutil.rmtree(item.path)
        else:
            item.path.unlink(missing_ok=True)
    except OSError as error:
        raise CannotCheck(f"{item.path}: can't be deleted: {error.strerror}", "check its owner and rights") from error

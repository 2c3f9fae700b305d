"""Files as they lie: size, age, and what tells that they are still the same ones, without reading them."""

from __future__ import annotations

import os
from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path


@dataclass(frozen=True, slots=True, kw_only=True)
class FileSet:
    """A file, the pieces of one in order, or a folder that is one thing. Sizes in bytes.

    folder      it is one folder
    size_bytes  of all its files
    changed     seconds since 1970 of its latest change
    stamp       size, time, inode and device: while it is the same, so are the bytes, but for damage on the disk
    """

    paths: tuple[Path, ...]
    folder: bool
    size_bytes: int
    changed: float
    stamp: str

    @property
    def name(self) -> str:
        """The path of its first file, from the root, as it is remembered by."""
        return str(self.paths[0].absolute())


def file_set(paths: Sequence[Path]) -> FileSet:
    """Files as they lie now. Raises OSError for what isn't there."""
    if len(paths) == 1 and paths[0].is_dir():
        return _folder(paths[0])
    states = [path.stat() for path in paths]
    first = states[0]
    size, changed = sum(state.st_size for state in states), max(state.st_mtime_ns for state in states)
    return FileSet(
        paths=tuple(paths),
        folder=False,
        size_bytes=size,
        changed=changed / 1e9,
        stamp=f"{size}:{changed}:{first.st_ino}:{first.st_dev}:{len(paths)}",
    )


def _folder(folder: Path) -> FileSet:
    size = changed = count = 0
    for root, _, names in os.walk(folder):
        for name in names:
            state = os.stat(os.path.join(root, name), follow_symlinks=False)  # noqa: PTH116, PTH118  # thousands of them
            size, changed, count = size + state.st_size, max(changed, state.st_mtime_ns), count + 1
    own = folder.stat()
    return FileSet(
        paths=(folder,), folder=True, size_bytes=size, changed=changed / 1e9,
        stamp=f"{size}:{changed}:{own.st_ino}:{own.st_dev}:{count}",
    )  # fmt: skip

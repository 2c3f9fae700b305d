"""Walks folders for what may be backups: single files, split ones, and folders that are one backup."""

from __future__ import annotations

import os
from collections.abc import Iterable, Iterator, Sequence
from pathlib import Path

from sospes.formats.physical import physical_folder
from sospes.formats.registry import FORMS
from sospes.model.errors import NotFound
from sospes.model.findings import Finding, doubt
from sospes.places.own import WORK
from sospes.places.pieces import follows
from sospes.places.stamps import FileSet, file_set
from sospes.places.writing import PARTIAL


def candidates(places: Sequence[Path], unreadable: list[Finding]) -> Iterator[FileSet]:
    """All that may be a backup below some places, each once; folders that can't be read go to `unreadable`.

    Links are not followed: what they lead to lies in another place, or is there already. Raises NotFound for a place
    that isn't there.
    """
    seen: set[tuple[int, int]] = set()
    for place in places:
        if not place.exists():
            raise NotFound(f"{place}: no such file or folder", "check the path")
        waiting = [place]
        while waiting:  # folders may lie deeper than calls may
            here = waiting.pop()
            try:
                found, folders = _listed(here)
            except OSError as error:
                message = f"{here}: can't be read: {error.strerror}"
                advice = "run this as a user who may read it"
                unreadable.append(doubt("place-unreadable", message, advice).at(file=str(here)))
                continue
            waiting += reversed(folders)
            yield from _once(found, seen)


def _once(found: Iterable[list[Path]], seen: set[tuple[int, int]]) -> Iterator[FileSet]:
    """What was not met before, under this name or another one."""
    for paths in found:
        try:
            lying = file_set(paths)
            status = paths[0].stat()
        except FileNotFoundError:
            continue  # it went while the folder was read
        if (status.st_dev, status.st_ino) not in seen:
            seen.add((status.st_dev, status.st_ino))
            yield lying


def _listed(place: Path) -> tuple[Iterable[list[Path]], list[Path]]:
    """What a place has: groups of files that may be one, and folders to go on with. Raises OSError."""
    if not place.is_dir() or _is_one(place):
        return [[place]], []
    with os.scandir(place) as listed:
        entries = sorted(listed, key=lambda entry: entry.name)
    files = [Path(entry.path) for entry in entries if entry.is_file(follow_symlinks=False)]
    folders = [Path(entry.path) for entry in entries if entry.is_dir(follow_symlinks=False)]
    whole = [path for path in files if not PARTIAL.fullmatch(path.name)]
    return _grouped(whole), [folder for folder in folders if not folder.name.startswith(WORK)]


def _is_one(folder: Path) -> bool:
    """Whether a folder is one backup."""
    return any(form.is_folder(folder) for form in FORMS if not form.many) or physical_folder(folder) is not None


def _grouped(files: Sequence[Path]) -> Iterator[list[Path]]:
    """Files, those that are numbered in a row from a first one on as one; each may still turn out to be by itself."""
    group: list[Path] = []
    for path in files:
        if group and follows(group[-1], path):
            group.append(path)
            continue
        if group:
            yield group
        group = [path]
    if group:
        yield group

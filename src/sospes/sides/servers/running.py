"""Database servers that run on this machine, and where their data lie."""

from __future__ import annotations

from collections.abc import Iterable
from pathlib import Path

from sospes.places.own import mark_of


def data_folders(programs: Iterable[str]) -> list[Path]:
    """The folders that running servers work in, which are those of their data; only of those that may be looked at.

    `programs` are the servers' programs by name. Private servers of side copies are left out.
    """
    import psutil

    wanted, found = frozenset(programs), set()
    for process in psutil.process_iter(["name"]):
        if process.info["name"] not in wanted:
            continue
        try:
            folder = Path(process.cwd())
        except psutil.Error:
            continue  # it ended, or is another user's
        if not any(mark_of(place) for place in (folder, folder.parent)):
            found.add(folder)
    return sorted(found)

"""What a transaction did beside changing rows, before anybody knows whether it counts."""

from __future__ import annotations

from dataclasses import dataclass, field

from sospes.formats.wal.ends import FileId

Rows = dict[tuple[int, int, int], list[int]]
"""Rows that were changed by database, file, and what was done: how many, and where in the log it began."""


@dataclass(slots=True)
class Begun:
    """What a transaction did by now.

    made      files that were made
    emptied   files of those that were cut down to nothing, and where in the log
    locked    relations that nobody else could use, by database and number
    databases that were made or dropped: whether dropped, its number and name, and where in the log
    """

    made: set[FileId] = field(default_factory=set)
    emptied: dict[FileId, int] = field(default_factory=dict)
    locked: set[tuple[int, int]] = field(default_factory=set)
    databases: list[tuple[bool, int, str | None, int]] = field(default_factory=list)

    def add(self, other: Begun) -> None:
        """Take in what a part of this transaction did."""
        self.made |= other.made
        self.emptied.update(other.emptied)
        self.locked |= other.locked
        self.databases += other.databases


def joined(parts: list[Rows]) -> Rows:
    """The rows of a transaction with those of its parts."""
    found: Rows = {}
    for part in parts:
        for key, (rows, at) in part.items():
            known = found.get(key)
            found[key] = [rows, at] if known is None else [known[0] + rows, min(known[1], at)]
    return found

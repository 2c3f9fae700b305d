"""What a transaction did, before anybody knows whether it counts."""

from __future__ import annotations

from dataclasses import dataclass, field

from sospes.formats.wal.ends import FileId


@dataclass(slots=True)
class Begun:
    """What a transaction did by now.

    rows      of files, by database, file, and what was done: how many, and where in the log it began
    made      files that were made
    emptied   files of those that were cut down to nothing, and where in the log
    locked    relations that nobody else could use, by database and number
    databases that were made or dropped: whether dropped, its number and name, and where in the log
    """

    rows: dict[tuple[int, int, int], list[int]] = field(default_factory=dict)
    made: set[FileId] = field(default_factory=set)
    emptied: dict[FileId, int] = field(default_factory=dict)
    locked: set[tuple[int, int]] = field(default_factory=set)
    databases: list[tuple[bool, int, str | None, int]] = field(default_factory=list)

    def add(self, other: Begun) -> None:
        """Take in what a part of this transaction did."""
        for key, (rows, at) in other.rows.items():
            known = self.rows.setdefault(key, [0, at])
            known[0] += rows
            known[1] = min(known[1], at)
        self.made |= other.made
        self.emptied.update(other.emptied)
        self.locked |= other.locked
        self.databases += other.databases

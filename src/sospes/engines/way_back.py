"""What is put back into a live database, step by step, and how an engine says each step."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Protocol

from sospes.model.entries import Entry, Name
from sospes.model.kinds import Kind

Called = Mapping[Name, str]
"""What tables are called where they are put; those that keep their names may be left out."""


@dataclass(frozen=True, slots=True)
class Stretch:
    """Some rows, as they lie in a file of their own: where from, how many bytes, how many rows."""

    offset: int
    size: int
    rows: int


Rows = Callable[[Stretch], bytes]
"""Gives the bytes of some rows back that lie in a file."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Step:
    """One thing that is done to a live database: a definition, or the rows of a table.

    statement  what is run; before rows, what opens them
    undo       what takes it away again, for engines whose definitions no transaction holds; empty where nothing has to
    table      whose rows follow, or whom a key belongs to
    rows       where the rows lie; None for a definition
    optional   all else is kept where the server refuses it, and it is told
    late       it can only be done once the tables have their names
    refers     it is a reference, which rows that are there may not follow
    """

    kind: Kind
    label: str
    statement: bytes
    undo: bytes = b""
    table: Name | None = None
    rows: tuple[Stretch, ...] | None = None
    optional: bool = False
    late: bool = False
    refers: bool = False


class WayBack(Protocol):
    """How an engine brings tables back.

    longest         the longest name that it takes, and whether that is counted in bytes
    copies          whether rows go in as lines of COPY text; else as tuples of literals
    transactional   whether definitions are taken back with a transaction, so that nothing is to be undone by hand
    names_aside     whether tables are filled under names of their own, and renamed once they are whole
    """

    longest: int
    in_bytes: bool
    copies: bool
    transactional: bool
    names_aside: bool

    working: str
    """A query for the names of the server's own functions that do more than work out a value; empty without any."""

    def setting(self, entry: Entry) -> tuple[str, bytes]:
        """A setting of the backup that definitions need to be read as they were meant: its name, and the statement.

        Both are empty for any that is not needed, or would hold for more than this connection.
        """
        ...

    def statement(self, entry: Entry, called: Called) -> bytes:
        """An entry's statement as it is run on live; empty where it has no form that may be run there."""
        ...

    def bare(self, entry: Entry, called: Called) -> bytes:
        """The same for a table of another name beside the one that it was taken from: without names that are taken."""
        ...

    def undoing(self, entry: Entry, called: Called) -> bytes:
        """What takes away again what `statement` made."""
        ...

    def reaches_outside(self, entry: Entry) -> bool:
        """Whether a routine is in a language whose code may do more than the database lets its user do."""
        ...

    def taken_up(self, entry: Entry) -> bytes:
        """A sequence that is still there goes on behind the value that the backup gives it, never before its own."""
        ...

    def opening(self, table: Name, columns: Sequence[str]) -> bytes:
        """What stands before rows of a table."""
        ...

    def plain_rights(self, made: Sequence[Name]) -> bytes:
        """What takes away rights that this server gives to new tables and the like; empty where it gives none."""
        ...

    def script(self, steps: Sequence[Step], rows: Rows) -> Iterator[bytes]:
        """All steps as a script for the engine's own client."""
        ...

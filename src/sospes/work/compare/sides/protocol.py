"""What the sides of a comparison are: tables, and their rows, which can be read several times."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from pathlib import Path
from typing import Protocol

from sospes.model.accounts import Accounts
from sospes.model.entries import Column, Engine, Name
from sospes.model.events import Batch
from sospes.model.findings import Finding
from sospes.model.objects import DatabaseObject, ObjectKey
from sospes.rows.copied import CopySums
from sospes.rows.decoding import Row

Wants = Callable[[Name], bool]


@dataclass(frozen=True, slots=True, kw_only=True)
class RowTable:
    """A table that rows can be had of: its columns with values, its primary key's columns, tables it refers to.

    generated  the names of columns that are computed, whose values no backup needs and a file of rows may have
    kept       whether a backup like this side keeps its rows at all
    """

    name: Name
    columns: tuple[Column, ...]
    key: tuple[str, ...] = ()
    references: tuple[Name, ...] = ()
    generated: tuple[str, ...] = ()
    kept: bool = True


@dataclass(frozen=True, slots=True)
class RowPart:
    """Some rows of one table, and the names of their cells."""

    table: Name
    columns: tuple[str, ...]
    rows: list[Row]


@dataclass(frozen=True, slots=True)
class LinedPart:
    """Some rows of one table as they stand."""

    table: Name
    columns: tuple[str, ...]
    batch: Batch


@dataclass(frozen=True, slots=True)
class ObjectSide:
    """The objects of one side, and the major version of its engine; kinds that its user may not see."""

    found: dict[ObjectKey, DatabaseObject]
    unnamed: frozenset[tuple[str, str]]
    major: str
    is_backup: bool
    is_side_copy: bool = False
    unseen: frozenset[str] = frozenset()


class RowSide(Protocol):
    """Rows to compare, which can be read several times; and what else a side may know.

    typed          whether its columns have types; in files of rows they have none
    live           whether it is a database in use, which went on since any backup
    database_name  the database that it is, where it is one on a server
    written_at     when it was written, by its own words
    backup         the backup that its rows come from, where they come straight from one
    """

    name: str
    engine: Engine | None
    tables: dict[Name, RowTable]
    findings: list[Finding]
    typed: bool
    live: bool
    database_name: str | None
    written_at: str | None
    backup: Path | None

    @property
    def bytes_read(self) -> int:
        """Stored bytes of all passes."""
        ...

    def parts(self, wants: Wants) -> Iterator[RowPart]:
        """All rows of the wanted tables."""
        ...

    def as_lined(self) -> LinedSide | None:
        """The same side, whose rows come as they stand, too; None where they don't."""
        ...

    def objects_of(self, database: str | None, *, every: bool) -> ObjectSide | None:
        """What it defines besides rows: `every` object, or what belongs to tables.

        `database` says which one, where it holds several. None where it has no objects, or nobody can tell of which.
        """
        ...

    def value(self, query: str) -> str | None:
        """What a query of the user gives, the first cell of its first row; None where there is nothing to ask."""
        ...

    def accounts(self) -> Accounts | None:
        """Who may do what on the whole server; None where it is of one database, or says nothing of that."""
        ...


@dataclass(slots=True, kw_only=True)
class BasicSide:
    """What all sides have, as RowSide describes it; most of them know no more than their rows."""

    typed = True
    live = False
    name: str = ""
    engine: Engine | None = None
    tables: dict[Name, RowTable] = field(default_factory=dict)
    findings: list[Finding] = field(default_factory=list)
    database_name: str | None = None
    written_at: str | None = None
    backup: Path | None = None

    def as_lined(self) -> LinedSide | None:
        """Its rows come as values only."""
        return None

    def objects_of(self, _database: str | None, *, every: bool) -> ObjectSide | None:
        """It has rows only."""
        return None

    def value(self, _query: str) -> str | None:
        """There is nothing to ask."""
        return None

    def accounts(self) -> Accounts | None:
        """It says nothing of a server."""
        return None


class LinedSide(RowSide, Protocol):
    """A side whose rows come as they stand, too.

    sums      what its rows were summed up to when they were first read; None where that is done when it is needed
    """

    sums: CopySums | None

    def lined(self, wants: Wants, columns: Mapping[Name, Sequence[str]]) -> Iterator[LinedPart]:
        """All rows of the wanted tables as they stand; a server gives these columns of a table, in this order."""
        ...

    def converted(self, table: Name, columns: tuple[str, ...], batch: Batch) -> RowPart:
        """Rows that stood in this side."""
        ...

    def slices(self, places: Sequence[tuple[int, int]]) -> Iterator[bytes] | None:
        """The plain text from each place to its end, places in order and apart; None where none can be had again."""
        ...


def major_of(version: str) -> str:
    """The first number of a server's version."""
    match = re.match(r"\d+", version)
    return match[0] if match else ""

"""What the sides of a comparison are: tables, and their rows, which can be read several times."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Protocol

from sospes.model.entries import Column, Engine, Name
from sospes.model.events import Batch
from sospes.model.findings import Finding
from sospes.rows.decoding import Row

Wants = Callable[[Name], bool]


@dataclass(frozen=True, slots=True, kw_only=True)
class RowTable:
    """A table that rows can be had of: its columns with values, its primary key's columns, tables it refers to."""

    name: Name
    columns: tuple[Column, ...]
    key: tuple[str, ...] = ()
    references: tuple[Name, ...] = ()


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


class RowSide(Protocol):
    """Rows to compare, which can be read several times."""

    name: str
    engine: Engine | None
    tables: dict[Name, RowTable]
    findings: list[Finding]

    @property
    def bytes_read(self) -> int:
        """Stored bytes of all passes."""
        ...

    def parts(self, wants: Wants) -> Iterator[RowPart]:
        """All rows of the wanted tables."""
        ...


class LinedSide(RowSide, Protocol):
    """A side whose rows come as they stand, too."""

    def lined(self, wants: Wants, columns: Mapping[Name, Sequence[str]]) -> Iterator[LinedPart]:
        """All rows of the wanted tables as they stand; a server gives these columns of a table, in this order."""
        ...

    def converted(self, table: Name, columns: tuple[str, ...], batch: Batch) -> RowPart:
        """Rows that stood in this side."""
        ...

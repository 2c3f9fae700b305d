"""Live tables, read in one consistent snapshot, in a transaction that can't write and blocks no writer."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Protocol

from sospes.model.accounts import Accounts
from sospes.model.entries import Column, Engine, Name
from sospes.model.events import Batch
from sospes.model.objects import DatabaseObject, ObjectKey
from sospes.rows.decoding import Row


@dataclass(frozen=True, slots=True, kw_only=True)
class LiveTable:
    """A table of a live database: its columns with values of their own, and its primary key's columns.

    logged  its changes are in the server's log; else a recovery finds it empty
    """

    name: Name
    columns: tuple[Column, ...]
    key: tuple[str, ...]
    logged: bool = True


class LiveDatabase(Protocol):
    """A live database during one snapshot. `version` is the server's."""

    engine: Engine
    version: str

    def tables(self) -> list[LiveTable]:
        """All tables of users."""
        ...

    def rows(self, table: LiveTable) -> Iterator[list[Row]]:
        """All rows of a table, some thousands at a time."""
        ...

    def batches(self, table: LiveTable) -> Iterator[Batch]:
        """All rows of a table as COPY text; rows of another notation where the server can't give them so."""
        ...

    def value(self, query: str) -> str:
        """What a query of the user gives, in the snapshot, which can't write: the first cell of its first row."""
        ...

    def objects(self, *, every: bool) -> dict[ObjectKey, DatabaseObject]:
        """What the database has besides rows; `every` one, or only what belongs to tables."""
        ...

    def accounts(self) -> Accounts | None:
        """Who may do what on the whole server; None where this user may not see that."""
        ...

    def is_side_copy(self) -> bool:
        """Whether the database carries the mark of those that Sospes makes."""
        ...

    def unseen(self) -> frozenset[str]:
        """Kinds of objects that this user has no right to see."""
        ...

    def close(self) -> None:
        """End the snapshot."""
        ...

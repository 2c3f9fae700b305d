"""Rows of a database in use, in one snapshot."""

from __future__ import annotations

import time
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import TypeVar

from sospes.engines.registry import dialect_of
from sospes.model.accounts import Accounts
from sospes.model.entries import Name
from sospes.model.events import Batch
from sospes.rows.copied import CopySums
from sospes.rows.decoding import held_rows
from sospes.sides.servers.live import LiveDatabase, LiveTable
from sospes.work.compare.sides.protocol import (
    BasicSide,
    LinedPart,
    LinedSide,
    ObjectSide,
    RowPart,
    RowTable,
    Wants,
    major_of,
)

Part = TypeVar("Part")


@dataclass(slots=True)
class LiveRows(BasicSide):
    """Rows of a database in use, in one snapshot."""

    live = True
    database: LiveDatabase
    gentle: bool = False
    bytes_read: int = 0
    sums: CopySums | None = None
    _live: dict[Name, LiveTable] = field(default_factory=dict)

    def __post_init__(self) -> None:
        """Read the catalog."""
        self.engine = self.database.engine
        for table in self.database.tables():
            self._live[table.name] = table
            self.tables[table.name] = RowTable(name=table.name, columns=table.columns, key=table.key)

    def _paced(self, parts: Iterator[Part]) -> Iterator[Part]:
        """The same; when gentle, with a pause behind each part as long as the server took for it."""
        begin = time.perf_counter()
        for part in parts:
            if self.gentle:
                time.sleep(time.perf_counter() - begin)
            yield part
            begin = time.perf_counter()

    def as_lined(self) -> LinedSide:
        """Its rows come as lines of COPY text, which are summed up when they are needed."""
        return self

    def objects_of(self, _database: str | None, *, every: bool) -> ObjectSide | None:
        """What the database has besides rows; None where several databases were opened at once."""
        if self.database_name is None:
            return None
        return ObjectSide(
            self.database.objects(every=every), frozenset(), major_of(self.database.version), is_backup=False,
            is_side_copy=self.database.is_side_copy(), unseen=self.database.unseen(),
        )  # fmt: skip

    def value(self, query: str) -> str:
        """What a query of the user gives, in the snapshot."""
        return self.database.value(query)

    def accounts(self) -> Accounts | None:
        """Who may do what on the server, where all of it was opened."""
        return self.database.accounts() if self.database_name is None else None

    def slices(self, _places: Sequence[tuple[int, int]]) -> None:
        """A server has no text to come back to."""

    def lined(self, wants: Wants, columns: Mapping[Name, Sequence[str]]) -> Iterator[LinedPart]:
        """All rows of the wanted tables as lines of COPY text."""
        for name, table in self._live.items():
            if not wants(name):
                continue
            chosen = _chosen(table, columns.get(name))
            names = tuple(column.name for column in chosen.columns)
            for batch in self._paced(self.database.batches(chosen)):
                yield LinedPart(name, names, batch)

    def converted(self, table: Name, columns: tuple[str, ...], batch: Batch) -> RowPart:
        """COPY text of a live table as values."""
        chosen = _chosen(self._live[table], columns)
        holds = [dialect_of(self.database.engine).hold(column.type) for column in chosen.columns]
        return RowPart(table, columns, list(held_rows(batch, holds, lambda *_: None)))

    def parts(self, wants: Wants) -> Iterator[RowPart]:
        """All rows of the wanted tables."""
        for name, table in self._live.items():
            if wants(name):
                columns = tuple(column.name for column in table.columns)
                for rows in self._paced(self.database.rows(table)):
                    yield RowPart(name, columns, rows)


def _chosen(table: LiveTable, columns: Sequence[str] | None) -> LiveTable:
    """The table with these columns only, in this order; as it is where it lacks one."""
    known = {column.name: column for column in table.columns}
    if not columns or not known.keys() >= set(columns):
        return table
    return replace(table, columns=tuple(known[name] for name in columns))

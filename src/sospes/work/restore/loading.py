"""Loads a stream of events into embedded side copies, one file for each database."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping, Set
from dataclasses import dataclass, field
from pathlib import Path

from sospes.engines.registry import dialect_of
from sospes.model.entries import Column, Constraint, Engine, Entry, Name
from sospes.model.events import Batch, Event, RowsBegin
from sospes.model.findings import Finding, Place, doubt, fault
from sospes.model.kinds import Kind
from sospes.rows.decoding import held_parts
from sospes.sides.embedded.copy import MOST_COLUMNS, EmbeddedCopy
from sospes.sides.embedded.keys import NotRehearsed
from sospes.sides.embedded.shape import HeldTable
from sospes.work.look.misfits import brings_tables
from sospes.work.look.tally import OBJECT_KINDS
from sospes.work.selection import Selection

_HELD = frozenset({Kind.INDEX, Kind.CONSTRAINT, Kind.SCHEMA, Kind.ROLE, Kind.TABLESPACE})
_REASONS = {
    Kind.SEQUENCE: "its value is in the backup, but nothing here draws from it",
    Kind.LARGE_OBJECT: "it is no row of a table",
    Kind.TYPE: "its members are held as text and not checked",
    Kind.DOMAIN: "its values are held as text, its conditions not checked",
    Kind.FOREIGN_TABLE: "its rows are on another server",
    Kind.VIEW: "its query was not run",
    Kind.MATERIALIZED_VIEW: "its query was not run",
}
MOST_BAD_CELLS = 50


@dataclass(slots=True)
class Loader:
    """Takes in events; `copies` has the side copies, by database.

    new_path  gives the file for a database, which must not exist yet
    rename    gives a table another name in the copy
    columns   the only columns to hold, by table; None for all of them
    """

    new_path: Callable[[str | None], Path]
    selection: Selection
    rename: Callable[[Name], Name] = lambda name: name
    engine: Engine = field(default=dialect_of(None).engine)
    columns: Mapping[Name, Set[str]] | None = None
    copies: dict[str | None, EmbeddedCopy] = field(default_factory=dict)
    undefined: list[Name] = field(default_factory=list)
    not_rehearsed: dict[tuple[str, Name], NotRehearsed] = field(default_factory=dict)
    _definitions: dict[Name, Entry] = field(default_factory=dict)
    _constraints: list[tuple[Name, Constraint]] = field(default_factory=list)
    _attached: list[tuple[Name, Name]] = field(default_factory=list)
    _extended: set[str | None] = field(default_factory=set)
    _target: HeldTable | None = None
    _columns: list[Column] = field(default_factory=list)
    _picked: list[int] | None = None
    _begin: RowsBegin | None = None
    _bad_cells: int = 0

    def take(self, event: Event) -> Iterator[Finding]:
        """Take in one event; what can't be held is yielded."""
        if isinstance(event, Entry):
            self._entry(event)
        elif isinstance(event, RowsBegin):
            self.selection.see([event.table])
            yield from self._rows_begin(event)
        elif isinstance(event, Batch):
            yield from self._batch(event)

    def _entry(self, entry: Entry) -> None:
        if entry.kind == Kind.TABLE:
            self.selection.see([entry.name])
            self._definitions[entry.name] = entry
        elif entry.kind == Kind.ATTACH and entry.about:
            self._attached += [(entry.about, parent) for parent in entry.parents]
        elif brings_tables(entry):
            self._extended.add(entry.name.database)
        elif entry.kind in {Kind.VIEW, Kind.MATERIALIZED_VIEW}:
            self._definitions.pop(entry.name, None)
        self._constraints += [(entry.subject, constraint) for constraint in entry.constraints]
        if entry.kind in OBJECT_KINDS - _HELD and self._concerns(entry):
            reason = _REASONS.get(entry.kind, "an embedded side copy has nothing that would run it")
            label = entry.name.full_label + (f" on {entry.about.label}" if entry.about else "")
            found = NotRehearsed(kind=entry.kind, name=label, reason=reason)
            self.not_rehearsed.setdefault((entry.kind, entry.name), found)

    def _concerns(self, entry: Entry) -> bool:
        return not self.selection.wanted or (entry.about is not None and self.selection(entry.about))

    def _copy(self, database: str | None) -> EmbeddedCopy:
        if database not in self.copies:
            self.copies[database] = EmbeddedCopy(self.new_path(database), self.engine)
        return self.copies[database]

    def _rows_begin(self, event: RowsBegin) -> Iterator[Finding]:
        self._begin, self._target, self._bad_cells = event, None, 0
        if not self.selection(event.table):
            return
        definition = self._definitions.get(event.table) or event.entry
        if definition is None:
            self._undefined(event.table)
            return
        yield from self._hold(definition)
        columns = {column.name.casefold(): column for column in definition.columns}
        names = event.columns or tuple(column.name for column in definition.columns)
        exact = {column.name: column for column in definition.columns}
        found = [exact.get(name) or columns.get(name.casefold()) for name in names]
        if self._target is not None and all(found):
            self._columns = [column for column in found if column is not None]
            held = {column.name for column in self._target.columns}
            given = {column.name for column in self._columns}
            self._target.left_out |= {column.name for column in self._target.kept} - given
            picked = [index for index, column in enumerate(self._columns) if column.name in held]
            self._picked = picked if len(picked) < len(self._columns) else None
        else:
            self._target = None

    def _undefined(self, table: Name) -> None:
        """Rows without a definition: of the engine itself, of an extension, or of another backup."""
        if dialect_of(self.engine).is_own(table):
            reason = "it is the engine's own"
        elif table.database in self._extended:
            reason = "an extension makes it, which an embedded side copy has not"
        else:
            self.undefined.append(table)
            return
        found = NotRehearsed(kind="table", name=table.full_label, reason=reason)
        self.not_rehearsed.setdefault(("table", table), found)

    def _hold(self, entry: Entry) -> Iterator[Finding]:
        """Make the table of a definition in its side copy."""
        if len(entry.columns) > MOST_COLUMNS:
            yield doubt(
                "table-not-held",
                f"{entry.name.label}: has {len(entry.columns):,} columns, a side copy holds {MOST_COLUMNS:,}",
                "restore it on the backup's own engine",
                Place(schema=entry.name.schema, table=entry.name.name),
            )
            return
        name = self.rename(entry.name)
        columns = entry.columns
        if self.columns is not None:
            chosen = {column.casefold() for column in self.columns.get(entry.name, ())}
            columns = tuple(column for column in columns if column.name.casefold() in chosen)
        self._target = self._copy(entry.name.database).table(name, columns, entry.definition)

    def _batch(self, batch: Batch) -> Iterator[Finding]:
        table, columns = self._target, self._columns
        if table is None or self._begin is None:
            return
        if batch.width != len(columns):
            return
        bad: list[tuple[int, int, bytes]] = []
        holds = [dialect_of(self.engine).hold(column.type) for column in columns]
        copy = self._copy(self._begin.table.database)
        done = 0
        for rows in held_parts(batch, holds, lambda row, column, cell: bad.append((row, column, cell))):
            given, kept = columns, rows
            if self._picked is not None:
                given = [columns[index] for index in self._picked]
                kept = [tuple(row[index] for index in self._picked) for row in rows]
            for row in copy.insert(table, given, kept):
                bad.append((done + row, 0, b""))
            done += len(rows)
        for row, column, cell in bad:
            yield from self._bad_cell(batch, row, columns[column], cell)

    def _bad_cell(self, batch: Batch, row: int, column: Column, cell: bytes) -> Iterator[Finding]:
        assert self._begin is not None  # cells come between the beginning and the end of rows
        self._bad_cells += 1
        if self._bad_cells > MOST_BAD_CELLS:
            return
        table = self._begin.table
        number = batch.number_of(row)
        said = (
            f"{cell[:40]!r} is no value of column {column.name}, {column.type}" if cell else "a value is out of range"
        )
        yield fault(
            "value-unreadable",
            f"{table.label}, row {number:,}: {said}",
            "the row is damaged; take it from another backup, or extract the other tables",
            Place(
                plain_from=batch.plain_from, plain_to=batch.plain_to, database=table.database, schema=table.schema,
                table=table.name, row_from=number, row_to=number,
            ),
        )  # fmt: skip

    def finish(self, damaged: Set[Name] = frozenset()) -> Iterator[Finding]:
        """Once all events are in: tables without rows, and the constraints of all. Damaged tables are taken out."""
        if self.undefined:
            yield self._definitions_missing(list(dict.fromkeys(self.undefined)))
        for entry in self._definitions.values():
            if self.selection(entry.name):
                yield from self._hold(entry)
        self._target = None
        for name in damaged:
            yield from self._refuse(name)
        for name, constraint in self._constraints:
            if constraint.references in damaged:
                continue
            table = self._table(name)
            if table is not None and not any(_same(constraint, other) for other in table.constraints):
                table.constraints.append(constraint)
        for child, parent in self._attached:
            table = self._table(child)
            if table is not None:
                table.partition_of.add(self.rename(parent))
        for copy in self.copies.values():
            copy.end_loading()

    def _refuse(self, name: Name) -> Iterator[Finding]:
        """A damaged table does not stay: what is left of it could be taken for the whole."""
        copy = self.copies.get(name.database)
        if copy is None or self.rename(name) not in copy.tables:
            return
        copy.remove(self.rename(name))
        yield fault(
            "table-refused",
            f"{name.label}: is damaged, so it is not in the side copy",
            "take it from another backup; --salvage loads what is sound of it, and lists the rest",
            Place(database=name.database, schema=name.schema, table=name.name),
        )

    def _definitions_missing(self, tables: list[Name]) -> Finding:
        listed = ", ".join(name.label for name in tables[:5]) + (", ..." if len(tables) > 5 else "")
        return doubt(
            "definition-missing",
            f"{len(tables):,} tables have rows but no definition, so they can't be held by their types: {listed}",
            "rehearse the backup that has the definitions, or compare these rows with live",
        )

    def _table(self, name: Name) -> HeldTable | None:
        copy = self.copies.get(name.database)
        return copy.tables.get(self.rename(name)) if copy else None

    def close(self) -> None:
        """Let go of all files, keeping them."""
        for copy in self.copies.values():
            copy.close()

    def drop(self) -> None:
        """Delete all files."""
        for copy in self.copies.values():
            copy.drop()


def _same(one: Constraint, other: Constraint) -> bool:
    return (one.kind, one.name, one.columns, one.expression) == (
        other.kind,
        other.name,
        other.columns,
        other.expression,
    )

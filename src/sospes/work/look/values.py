"""Checks every value against its column's type, and keys and references in a side copy of their columns alone."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field, replace
from pathlib import Path

from sospes.formats.opening import Opening, open_backup
from sospes.model.entries import Column, ConstraintKind, Engine, Entry, Name
from sospes.model.errors import UsageError
from sospes.model.events import Batch, Event, Notation, RowsBegin
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.model.kinds import Kind
from sospes.model.outcome import Unchecked, ValueSummary
from sospes.places.own import work_folder
from sospes.rows.typed.check import BadValue, bad_values
from sospes.rows.typed.plan import LEARNT, Definitions, Planned
from sospes.sides.embedded.keys import Keys
from sospes.sql.characters import first_broken
from sospes.work.restore.loading import Loader
from sospes.work.selection import Selection

MOST_BAD = 50
"""Findings about single values of one table; further ones are counted in one more."""

_KEYS = frozenset({ConstraintKind.PRIMARY, ConstraintKind.UNIQUE, ConstraintKind.FOREIGN})


@dataclass(slots=True)
class _Table:
    """The columns of a run of rows, and the check that belongs to each."""

    columns: Sequence[Column]
    planned: Sequence[Planned]
    bad: int = 0


@dataclass(slots=True)
class ValueChecks:
    """Takes in events, and yields what is wrong with their values.

    most_bytes  how many bytes of rows are looked at; None for all, and then columns that can't be checked are told
    """

    hide: bool = False
    most_bytes: int | None = None
    checked: int = 0
    unchecked: dict[tuple[str, str], Unchecked] = field(default_factory=dict)
    constraints: dict[Name, set[str]] = field(default_factory=dict)
    keys: int = 0
    _seen: int = 0
    _definitions: Definitions | None = None
    _early: list[Entry] = field(default_factory=list)
    _entries: dict[Name, Entry] = field(default_factory=dict)
    _planned: dict[tuple[Name, tuple[str, ...] | None], _Table] = field(default_factory=dict)
    _name: Name | None = None
    _table: _Table | None = None

    def take(self, event: Event, engine: Callable[[], Engine | None]) -> Iterator[Finding]:
        """Take in one event; `engine` tells what is known by now of the engine that it comes from."""
        if isinstance(event, Entry):
            self._entry(event)
        elif isinstance(event, RowsBegin):
            yield from self._begin(event, engine())
        elif isinstance(event, Batch) and self._table is not None and self._name is not None:
            self._seen += len(event.data)
            if self.most_bytes is not None and self._seen > self.most_bytes:
                return
            for bad in bad_values(event, self._table.columns, self._table.planned):
                if first_broken(bad.cell, event.encoding) is not None:
                    continue  # the reader has told of what is no text
                self._table.bad += 1
                if self._table.bad <= MOST_BAD:
                    yield self._finding(event, bad, self._name)

    def remainder(self) -> Iterator[Finding]:
        """One finding for all bad values of a table beyond the most that are listed."""
        for (name, _), table in self._planned.items():
            if table.bad > MOST_BAD:
                yield fault(
                    "more-bad-values",
                    f"{name.label}: {table.bad - MOST_BAD:,} more values that are none of their column's type",
                    "the table is damaged throughout, or its definition is; compare both with another copy",
                    Place(database=name.database, schema=name.schema, table=name.name),
                )

    def _entry(self, entry: Entry) -> None:
        """Learn of a definition; types may be defined behind the tables that use them."""
        if entry.kind in LEARNT:
            self._early.append(entry)
        if entry.kind == Kind.TABLE:
            self._entries[entry.name] = entry
        about = entry.subject
        for constraint in entry.constraints:
            if constraint.kind in _KEYS and constraint.columns:
                self.keys += 1
                self.constraints.setdefault(about, set()).update(constraint.columns)
                if constraint.references is not None:
                    self.constraints.setdefault(constraint.references, set()).update(constraint.reference_columns)

    def _begin(self, event: RowsBegin, engine: Engine | None) -> Iterator[Finding]:
        """Rows begin: plan the check of each column, once for each way in which they come."""
        self._name, self._table = event.table, None
        if self.most_bytes is not None and self._seen > self.most_bytes:
            return
        entry = event.entry or self._entries.get(event.table)
        if entry is None or engine is None:
            return
        key = (event.table, event.columns)
        if key not in self._planned:
            definitions = self._known(engine, event)
            known = {column.name: column for column in entry.columns}
            names = event.columns if event.columns is not None else tuple(known)
            columns = [known.get(name, Column(name=name, type="")) for name in names]
            planned = [
                definitions.planned(column, event.notation is Notation.COPY)
                if column.type
                else Planned(None, "no definition of it is there")
                for column in columns
            ]
            self._planned[key] = _Table(columns, planned)
            if self.most_bytes is None:
                yield from self._noted(event.table, columns, planned)
        self._table = self._planned[key]

    def _known(self, engine: Engine, event: RowsBegin) -> Definitions:
        """What the backup itself defines, in the words of its engine."""
        if self._definitions is None:
            self._definitions = Definitions(engine)
        for entry in self._early:
            self._definitions.take(entry)
        self._early.clear()
        return self._definitions

    def _noted(self, table: Name, columns: Sequence[Column], planned: Sequence[Planned]) -> Iterator[Finding]:
        """Columns whose values are not looked at, and why."""
        for column, plan in zip(columns, planned, strict=True):
            if plan.kind is not None:
                self.checked += 1
                continue
            found = Unchecked(table=table.full_label, name=column.name, reason=plan.reason)
            self.unchecked.setdefault((table.full_label, column.name), found)
            if plan.unknown:
                yield note(
                    "type-unknown",
                    f"{table.label}, column {column.name}: neither server nor backup defines its type {column.type}",
                    "restore the type first, if another backup has it; else a byte of the definition is damaged",
                    Place(database=table.database, schema=table.schema, table=table.name),
                )

    def _finding(self, batch: Batch, bad: BadValue, table: Name) -> Finding:
        """A value that is none of its column's type."""
        number = batch.number_of(bad.row)
        cell = "a value" if self.hide else repr(bad.cell[:40])[1:] + (" ..." if len(bad.cell) > 40 else "")
        place = Place(database=table.database, schema=table.schema, table=table.name, row_from=number, row_to=number)
        start, end = _range(batch, bad)
        return fault(
            "value-type",
            f"{table.label}, row {number:,}: {cell if bad.cell else 'a value'} {bad.problem}",
            "a byte of the row is damaged; take it from another backup",
            replace(place, plain_from=start, plain_to=end),
        )


def _range(batch: Batch, bad: BadValue) -> tuple[int, int]:
    """Where the row of a bad value stands in the plain text; the batch's range where rows were taken out of it."""
    if batch.skipped:
        return batch.plain_from, batch.plain_to
    if batch.starts is not None and batch.ends is not None:
        return (
            batch.plain_from + int(batch.starts[bad.row, bad.column]),
            batch.plain_from + int(batch.ends[bad.row, bad.column]),
        )
    position = 0
    for _ in range(bad.row):
        position = batch.data.index(b"\n", position) + 1
    return batch.plain_from + position, batch.plain_from + batch.data.index(b"\n", position) + 1


def key_findings(paths: Sequence[Path], opening: Opening, checks: ValueChecks) -> Iterator[Finding]:
    """Keys that repeat and references that point nowhere, by a side copy that holds the columns of keys alone."""
    if not checks.constraints:
        return
    try:
        opened = open_backup(paths, replace(opening, wants=checks.constraints.__contains__))
    except UsageError:
        yield doubt(
            "keys-not-checked",
            "keys and references need a second reading, and standard input can be read only once",
            "put the backup into a file and name that",
        )
        return
    with work_folder(opening.work_folder) as folder:
        loader = Loader(
            lambda database: folder / f"keys-{database or 'all'}.sqlite",
            Selection(()),
            columns=checks.constraints,
        )
        try:
            yield from _keyed(opened.events(), loader, opened.engine, checks)
        finally:
            loader.drop()


def _keyed(events: Iterator[Event], loader: Loader, engine: Engine | None, checks: ValueChecks) -> Iterator[Finding]:
    """Load the columns of keys alone, and check keys and references there."""
    loader.engine = engine or loader.engine
    for event in events:
        for _ in loader.take(event):
            pass  # values that are wrong were told of at the first reading
    for _ in loader.finish():
        pass
    for copy in loader.copies.values():
        keys = Keys(copy)
        found = [*keys.unique_keys()]
        keys.declare()
        found += [*keys.references_by_meaning(), *keys.checked()]
        yield from (finding for finding in found if finding.code != "key-not-held")  # listed as unchecked below
        for missed in keys.not_rehearsed:
            if missed.kind != "index" and "check" not in missed.kind:
                left = Unchecked(table="", name=f"{missed.kind} {missed.name}", reason=missed.reason)
                checks.unchecked[("", missed.name)] = left


def summary_of(checks: ValueChecks) -> ValueSummary:
    """What was checked."""
    return ValueSummary(
        columns_checked=checks.checked, keys_checked=checks.keys, unchecked=tuple(checks.unchecked.values())
    )

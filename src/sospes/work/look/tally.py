"""Counts what a stream of events holds, and checks that its parts fit together."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace

from sospes.engines.registry import dialect_of_rows
from sospes.model.entries import Column, Constraint, ConstraintKind, Engine, Entry, Name
from sospes.model.events import Batch, Event, RowsBegin, RowsEnd
from sospes.model.findings import Finding
from sospes.model.kinds import Kind
from sospes.model.outcome import ObjectSummary, TableSummary
from sospes.work.look.damage import BREAKS, Stretch, stretches
from sospes.work.look.misfits import Fit
from sospes.work.look.undoing import Undoing

OBJECT_KINDS = Kind.these(
    "view, materialized view, function, procedure, aggregate, trigger, event trigger, event, rule, index, constraint, "
    "sequence, schema, type, domain, extension, collation, cast, operator, operator class, operator family, language, "
    "publication, subscription, server, policy, statistics, conversion, role, tablespace, transform, foreign table, "
    "user mapping, access method, foreign data wrapper, virtual table, text search configuration, "
    "text search dictionary, text search parser, text search template, large object, package"
)
MOST_OF_A_KIND = 200
"""Findings of one code in one table that are kept one by one."""

_STAND_IN_FOR = frozenset({Kind.VIEW, Kind.MATERIALIZED_VIEW})


@dataclass(slots=True)
class TableTally:
    """A table as the events showed it."""

    name: Name
    columns: tuple[Column, ...] | None = None
    named_columns: tuple[str, ...] = ()
    rows: int = 0
    damaged: int = 0
    runs: int = 0
    partitioned: bool = False
    lost: bool = False
    batches: list[tuple[int, int, int]] = field(default_factory=list)

    def doubtful(self, damaged: Sequence[Stretch]) -> int:
        """How many rows come of damaged members, where a wrong byte may have kept their shape; at most so many."""
        return sum(
            rows for begin, end, rows in self.batches if any(part.covers(begin, end, self.name) for part in damaged)
        )


class Tally:
    """Takes in events one by one; afterwards tells tables, objects, the kind of backup, and misfits."""

    def __init__(self) -> None:
        self.tables: dict[Name, TableTally] = {}
        self.objects: dict[tuple[str, Name], ObjectSummary] = {}
        self.findings: list[Finding] = []
        self._counts: dict[tuple[object, ...], int] = {}
        self._last: dict[tuple[object, ...], Finding] = {}
        self.locked = False
        self._fit = Fit()
        self._undoing = Undoing()
        self._partitions: set[Name] = set()
        self._current: TableTally | None = None
        self._passing = False

    def take(self, event: Event) -> None:
        """Count one event."""
        if isinstance(event, Finding):
            self._finding(event)
        elif isinstance(event, Entry):
            self._entry(event)
        elif isinstance(event, RowsBegin):
            self._passing = dialect_of_rows(event.notation).is_own(event.table)
            if self._passing:
                self._current = None  # the engine's statistics and counters are no rows of anybody's
                return
            table = self._table(event.table)
            table.runs += 1
            self._current = table
            self._fit.rows(event)
            self._undoing.rows(event.table)
            if event.columns is not None:
                table.named_columns = table.named_columns or event.columns
        elif isinstance(event, RowsEnd) and not self._passing:
            table = self._table(event.table)
            table.rows += event.rows
            table.damaged += event.damaged
            table.lost = table.lost or event.lost
        elif isinstance(event, Batch) and self._current is not None:
            self._current.batches.append((event.plain_from, event.plain_to, event.rows))

    def _finding(self, finding: Finding) -> None:
        """Keep the first ones of a kind and a table, and the last; count what is between."""
        place = finding.place
        kind = (finding.code, finding.severity, place.database, place.schema, place.table)
        count = self._counts[kind] = self._counts.get(kind, 0) + 1
        if count <= MOST_OF_A_KIND:
            self.findings.append(finding)
        else:
            self._last[kind] = finding

    def further(self) -> Iterator[Finding]:
        """The last finding of each kind of which not all were kept, and how many were left out."""
        for kind, last in self._last.items():
            count = self._counts[kind] - MOST_OF_A_KIND
            yield last if count == 1 else replace(last, message=f"{last.message} ({count - 1:,} more before this one)")

    def _table(self, name: Name) -> TableTally:
        return self.tables.setdefault(name, TableTally(name))

    def _entry(self, entry: Entry) -> None:
        self._fit.entry(entry)
        self._undoing.entry(entry)
        if entry.kind == Kind.TABLE:
            table = self._table(entry.name)
            table.columns = entry.columns
            table.partitioned = "partitioned" in entry.options
        for constraint in entry.constraints:
            self._inner_object(entry, constraint)
        if entry.kind == Kind.LOCK:
            self.locked = True
        if entry.kind == Kind.ATTACH and entry.about is not None:
            self._partitions.add(entry.about)
        if entry.kind in _STAND_IN_FOR and entry.name in self.tables and not self.tables[entry.name].runs:
            del self.tables[entry.name]
        if entry.kind in OBJECT_KINDS:
            self._object(entry.kind, entry.name)
        elif entry.kind == Kind.IDENTITY:
            self._object("sequence", entry.name)

    def _object(self, kind: str, name: Name) -> None:
        self.objects.setdefault(
            (kind, name),
            ObjectSummary(kind=kind, database=name.database, schema=name.schema, name=name.name),
        )

    def _inner_object(self, entry: Entry, constraint: Constraint) -> None:
        """Keys and indexes that stand inside a table's definition are objects too."""
        if entry.kind in {Kind.CONSTRAINT, Kind.INDEX}:
            return
        kind = "index" if constraint.kind is ConstraintKind.INDEX else "constraint"
        name = constraint.name or f"{entry.name.name} {constraint.kind} ({', '.join(constraint.columns)})"
        self._object(kind, Name(entry.name.database, entry.name.schema, name))

    @property
    def defined(self) -> bool:
        """Whether any table has a definition."""
        return any(table.columns is not None for table in self.tables.values())

    @property
    def has_rows(self) -> bool:
        """Whether any table has a place for rows, be it empty."""
        return self.locked or any(table.runs for table in self.tables.values())

    def kind(self, copied: bool) -> str | None:
        """full, schema-only, data-only or partial; `copied` says that even empty tables have a data section."""
        if not self.tables:
            return None
        if not self.defined:
            return "data-only"
        if not self.has_rows:
            return "schema-only"
        missing = copied and any(
            not table.runs and not table.partitioned and table.columns is not None and name not in self._partitions
            for name, table in self.tables.items()
        )
        return "partial" if missing or self._fit.outside else "full"

    def summaries(self, counted: bool = True) -> tuple[TableSummary, ...]:
        """All tables, in stored order. Where text is missing, tables whose rows never came have none counted."""
        damaged = stretches(self.findings)
        missing = any(finding.code in BREAKS for finding in self.findings)
        return tuple(
            TableSummary(
                database=table.name.database,
                schema=table.name.schema,
                name=table.name.name,
                columns=table.named_columns
                if table.columns is None
                else tuple(column.name for column in table.columns),
                column_types=tuple(column.type for column in table.columns or ()),
                rows=table.rows if counted and not (missing and not table.runs and self._has_rows(table)) else None,
                rows_damaged=table.damaged if counted else None,
                rows_doubtful=table.doubtful(damaged) if counted else None,
                rows_lost=0 if counted and not table.lost and not (missing and not table.runs) else None,
            )
            for table in self.tables.values()
        )

    def doubtful(self) -> set[Name]:
        """Tables with rows that come of damaged members."""
        damaged = stretches(self.findings)
        return {name for name, table in self.tables.items() if table.doubtful(damaged)}

    def _has_rows(self, table: TableTally) -> bool:
        return not table.partitioned and table.columns is not None

    def misfits(self, engine: Engine | None) -> Iterator[Finding]:
        """What refers to something that isn't there. Call once, after the last event."""
        yield from self._fit.findings(engine)

    def undone(self) -> Iterator[Finding]:
        """What the backup takes away or changes again. Call once, at the end."""
        yield from self._undoing.findings()

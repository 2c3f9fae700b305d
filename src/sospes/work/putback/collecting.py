"""Reads out of a backup what may bring tables back: definitions into memory, rows into a file of their own.

Nothing of it is put anywhere before all of it was read and found whole.
"""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from typing import IO

from sospes.engines.dialect import Dialect
from sospes.engines.registry import dialect_of
from sospes.engines.way_back import Stretch
from sospes.model.entries import ConstraintKind, Engine, Entry, Name
from sospes.model.errors import CannotCheck
from sospes.model.events import Batch, Event, Notation, RowsBegin
from sospes.model.kinds import Kind
from sospes.model.types import Hold
from sospes.rows.decoding import held_rows
from sospes.rows.relined import as_lines
from sospes.work.selection import Selection

NEEDED = frozenset(
    {
        Kind.SCHEMA, Kind.TYPE, Kind.DOMAIN, Kind.SEQUENCE, Kind.FUNCTION, Kind.AGGREGATE, Kind.EXTENSION,
    }
)  # fmt: skip
"""Kinds that others are made of, which come back where something that comes back mentions them."""

DEPENDANTS = frozenset({Kind.VIEW, Kind.MATERIALIZED_VIEW, Kind.FUNCTION, Kind.PROCEDURE, Kind.AGGREGATE})
"""Kinds that fall with a table that they are about."""

_OF_TABLES = frozenset(
    {
        Kind.CONSTRAINT, Kind.INDEX, Kind.TRIGGER, Kind.DEFAULT, Kind.IDENTITY, Kind.POLICY, Kind.RULE,
        Kind.TABLE_SETTING, Kind.OWNERSHIP, Kind.STATISTICS, Kind.SEQUENCE_OWNER,
    }
)  # fmt: skip
_MAY_FALL = frozenset({Kind.TRIGGER, Kind.RULE, Kind.POLICY, Kind.DEFAULT})
"""Kinds of other tables and of views that may speak of a wanted table, and fall with it."""

_SAID = frozenset({Kind.COMMENT, Kind.GRANT, Kind.OWNERSHIP, Kind.SEQUENCE_VALUE, Kind.REFRESH})
_KEPT = NEEDED | DEPENDANTS | _OF_TABLES | _SAID | {Kind.TABLE, Kind.ATTACH}
_ROWS_AT_ONCE = 500
WORD = re.compile(rb'"(?:[^"]|"")*"|`(?:[^`]|``)*`|[A-Za-z_\x80-\xff][A-Za-z0-9_$\x80-\xff]*')


@dataclass(slots=True)
class TableRows:
    """The rows of one table: its columns by name, where they lie, how many they are.

    columns  None as long as no row has come
    """

    columns: tuple[str, ...] | None = None
    stretches: list[Stretch] = field(default_factory=list)
    count: int = 0


@dataclass(slots=True)
class Collector:
    """Takes in a backup's events.

    database  the only database whose definitions count, where the backup has several
    entries  what may be of use, in stored order; settings stand where they begin to hold
    rows     rows of the wanted tables
    """

    selection: Selection
    spool: IO[bytes]
    database: str | None = None
    engine: Engine | None = None
    entries: list[Entry] = field(default_factory=list)
    rows: dict[Name, TableRows] = field(default_factory=dict)
    _children: set[Name] = field(default_factory=set)
    _views: set[Name] = field(default_factory=set)
    _begin: RowsBegin | None = None

    def wants(self, name: Name) -> bool:
        """Whether a table comes back: it was named, or is a part of one that was."""
        return self.selection(name) or name in self._children

    def take(self, event: Event, engine: Engine | None) -> None:
        """Keep what may be of use."""
        self.engine = engine or self.engine
        if isinstance(event, Entry):
            self._entry(event)
        elif isinstance(event, RowsBegin):
            self._begin = event if self.wants(event.table) else None
            if self._begin is not None:
                self.rows.setdefault(event.table, TableRows())
        elif isinstance(event, Batch) and self._begin is not None:
            self._batch(event, self._begin)

    def read(self, stretch: Stretch) -> bytes:
        """Rows that were kept."""
        self.spool.seek(stretch.offset)
        return self.spool.read(stretch.size)

    def _entry(self, entry: Entry) -> None:
        table = entry.subject
        if entry.kind in {Kind.TABLE, Kind.ATTACH} and any(map(self.wants, entry.parents)):
            self._children.add(table)
        if entry.kind in {Kind.TABLE, Kind.ATTACH} and self.wants(table):
            self.rows.setdefault(table, TableRows())
        if entry.kind == Kind.MATERIALIZED_VIEW:
            self._views.add(entry.name)
        if entry.kind == Kind.SETTING or (entry.kind in _KEPT and self._may_matter(entry)):
            self.entries.append(entry)

    def _may_matter(self, entry: Entry) -> bool:
        """Whether an entry is of a wanted table, refers to one, or is of a kind that others may need.

        All tables are kept: that one is a part of a wanted table may be said later.
        """
        if entry.kind not in _OF_TABLES or entry.kind in _MAY_FALL or entry.about is None:
            return True
        return self.wants(entry.about) or self._refers(entry) or entry.about in self._views

    def _refers(self, entry: Entry) -> bool:
        """Whether one of an entry's keys refers to a wanted table."""
        return any(
            constraint.kind is ConstraintKind.FOREIGN and constraint.references and self.wants(constraint.references)
            for constraint in entry.constraints
        )

    def _batch(self, batch: Batch, begin: RowsBegin) -> None:
        """Keep rows in the notation that the engine takes in bulk: values only, never an expression of the backup."""
        dialect = dialect_of(self.engine)
        found = self.rows[begin.table]
        columns, batch = _stored(begin, _columns(begin, batch), batch)
        if found.columns not in {None, columns}:
            raise CannotCheck(
                f"{begin.table.label}: its rows come with other columns in one place than in another",
                "take it out with --out FILE, and feed that by hand",
            )
        found.columns = columns
        for data, rows in _as_taken(batch, begin, columns, dialect):
            self.spool.seek(0, 2)
            found.stretches.append(Stretch(self.spool.tell(), self.spool.write(data), rows))
        found.count += batch.rows


def _columns(begin: RowsBegin, batch: Batch) -> tuple[str, ...]:
    """The names of the columns that rows have values for. Raises CannotCheck where nobody says."""
    if begin.columns is not None:
        return begin.columns
    known = begin.entry.columns if begin.entry is not None else ()
    named = tuple(column.name for column in known if not column.generated)
    if len(named) != batch.width:
        named = tuple(column.name for column in known)
    if len(named) != batch.width:
        raise CannotCheck(
            f"{begin.table.label}: the backup doesn't say which columns its rows are of",
            "take it out with --out FILE, and feed that by hand",
        )
    return named


def _stored(begin: RowsBegin, columns: tuple[str, ...], batch: Batch) -> tuple[tuple[str, ...], Batch]:
    """The columns and rows without columns that are computed, for which rows have no more than a word."""
    computed = {column.name for column in begin.entry.columns if column.generated} if begin.entry is not None else set()
    if not computed.intersection(columns) or batch.starts is None or batch.ends is None:
        return columns, batch
    kept = [place for place, name in enumerate(columns) if name not in computed]
    parts = replace(batch, width=len(kept), starts=batch.starts[:, kept].copy(), ends=batch.ends[:, kept].copy())
    return tuple(columns[place] for place in kept), parts


def _as_taken(batch: Batch, begin: RowsBegin, columns: Sequence[str], dialect: Dialect) -> Iterator[tuple[bytes, int]]:
    """A batch in blocks of the notation that the engine takes, with the number of their rows."""
    known = {column.name: column.type for column in begin.entry.columns} if begin.entry is not None else {}
    holds = [dialect.hold(known[name]) if name in known else Hold.TEXT for name in columns]
    if dialect.way_back is not None and dialect.way_back.copies:
        yield _lines(batch, begin, holds), batch.rows
        return
    bad: list[tuple[int, bytes]] = []
    rows = list(held_rows(batch, holds, lambda row, _, cell: bad.append((row, cell))))
    if bad:
        raise _computed(begin.table, batch.number_of(bad[0][0]))
    for first in range(0, len(rows), _ROWS_AT_ONCE):
        some = rows[first : first + _ROWS_AT_ONCE]
        yield b",\n".join(map(dialect.statements.values, some)), len(some)


def _lines(batch: Batch, begin: RowsBegin, holds: Sequence[Hold]) -> bytes:
    """Rows as COPY text in UTF-8."""
    try:
        if batch.notation is Notation.COPY:
            if not batch.width:
                return b"\n" * batch.rows
            return batch.data if batch.encoding == "utf-8" else batch.data.decode(batch.encoding).encode()
        if batch.starts is None:
            return b"\n" * batch.rows
        return as_lines(batch, holds).data
    except UnicodeDecodeError as error:
        raise CannotCheck(
            f"{begin.table.label}: some rows are no text in the backup's own character set",
            "take it out with --out FILE, and feed that by hand",
        ) from error
    except ValueError as error:
        raise _computed(begin.table, batch.number_of(0)) from error


def _computed(table: Name, row: int) -> CannotCheck:
    """Rows with something else than values, which live would have to work out."""
    return CannotCheck(
        f"{table.label}: some row from row {row:,} on holds something else than a plain value",
        "nothing of a backup is worked out on live: take it out with --out FILE, read it, and feed it by hand",
    )

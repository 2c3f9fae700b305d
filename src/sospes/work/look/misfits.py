"""Whether the parts of a backup fit together: rows, keys and statements are of tables and columns that it defines.

Only what the engine itself would refuse is a fault. What servers and their programs legitimately write and looks like
a misfit: rows of an extension's own tables, statistics and counters of SQLite, hidden columns and periods of MariaDB,
parts of a selection (a partition without its root, a reference to a table that was left out), strings for column names
in SQLite's indexes, tables whose columns come from a parent or type outside of the backup.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace

from sospes.engines.registry import dialect_of
from sospes.model.entries import Constraint, ConstraintKind, Engine, Entry, Name
from sospes.model.events import RowsBegin
from sospes.model.findings import Finding, Place, fault, note
from sospes.model.kinds import Kind
from sospes.sql.judging.agreement import one_bit_apart

_TABLES = frozenset({Kind.TABLE, Kind.FOREIGN_TABLE, Kind.VIRTUAL_TABLE})
_LIKE_TABLES = frozenset({Kind.VIEW, Kind.MATERIALIZED_VIEW, Kind.SEQUENCE, Kind.IDENTITY, Kind.INDEX, Kind.TYPE})
_NEEDS_TABLE = frozenset(
    {
        Kind.TRIGGER,
        Kind.DEFAULT,
        Kind.IDENTITY,
        Kind.TABLE_SETTING,
        Kind.OWNERSHIP,
        Kind.SEQUENCE_OWNER,
        Kind.POLICY,
        Kind.ATTACH,
    }
)
_ALWAYS_THERE = frozenset("rowid oid _rowid_ ctid tableoid xmin xmax cmin cmax".split())
_VERSION_COLUMNS = frozenset({"row_start", "row_end"})
_WITHOUT_TABLES = frozenset(
    (
        "plpgsql amcheck autoinc bloom bool_plperl btree_gin btree_gist citext cube dblink dict_int dict_xsyn "
        "earthdistance file_fdw fuzzystrmatch hstore hstore_plperl hstore_plpython3u insert_username intagg intarray "
        "isn jsonb_plperl jsonb_plpython3u lo ltree ltree_plpython3u moddatetime old_snapshot pageinspect "
        "pg_buffercache pg_freespacemap pg_logicalinspect pg_overexplain pg_prewarm pg_stat_statements pg_surgery "
        "pg_trgm pg_visibility pg_walinspect pgcrypto pgrowlocks pgstattuple plperl plperlu plpython3u pltcl pltclu "
        "postgres_fdw refint seg sslinfo tablefunc tcn tsm_system_rows tsm_system_time unaccent uuid-ossp vector xml2"
    ).split()
)
"""Extensions that bring no tables with rows of their own, so that a table without a definition isn't theirs."""


@dataclass(slots=True)
class _Known:
    """What is known of a table's columns."""

    columns: frozenset[str]
    certain: bool  # whether these are all columns that there can be
    versioned: bool


class Fit:
    """Takes in entries and openings of rows; afterwards tells what refers to something that isn't there."""

    def __init__(self) -> None:
        self.outside = False
        self._tables: dict[Name, _Known] = {}
        self._folded: dict[tuple[str | None, str | None, str], Name] = {}
        self._others: set[tuple[str | None, str | None, str]] = set()
        self._rows: dict[Name, None] = {}
        self._named_columns: dict[Name, dict[str, None]] = {}
        self._constraints: list[tuple[Entry, Constraint]] = []
        self._mentions: list[Entry] = []
        self._named: list[Entry] = []
        self._sequences: set[Name] = set()
        self._foreign_databases: set[str | None] = set()
        self._made: dict[str | None, set[Name]] = {}
        self._twice: list[Entry] = []

    def entry(self, entry: Entry) -> None:
        """Take in a definition."""
        bare = replace(entry, definition=b"")
        made = self._made.setdefault(entry.name.database, set())
        if entry.kind == Kind.DROP:
            made.discard(entry.name)
            self._made.pop(entry.name.name, None)  # a whole database may be dropped
        elif entry.kind == Kind.TABLE:
            if entry.name in made and not _made_if_missing(entry):
                self._twice.append(bare)
            made.add(entry.name)
        if entry.kind in _TABLES:
            columns = frozenset(column.name.casefold() for column in entry.columns)
            certain = "open" not in entry.options and entry.kind == Kind.TABLE
            self._tables[entry.name] = _Known(columns, certain, "versioning" in entry.options)
            self._folded[_folded(entry.name)] = entry.name
        elif entry.kind in _LIKE_TABLES:
            self._others.add(_folded(entry.name))
        elif brings_tables(entry):
            self._foreign_databases.add(entry.name.database)
        self._constraints.extend((bare, constraint) for constraint in entry.constraints)
        if entry.kind in _NEEDS_TABLE and entry.about is not None:
            self._mentions.append(bare)
        if entry.kind in {Kind.SEQUENCE_VALUE, Kind.LOCK}:
            self._named.append(bare)
        if entry.kind in {Kind.SEQUENCE, Kind.IDENTITY}:
            self._sequences.add(entry.name)

    def rows(self, begin: RowsBegin) -> None:
        """Take in the opening of rows."""
        self._rows.setdefault(begin.table)
        if begin.columns is not None:
            self._named_columns.setdefault(begin.table, {}).update(dict.fromkeys(begin.columns))

    def findings(self, engine: Engine | None) -> Iterator[Finding]:
        """What refers to something that isn't there. Call once, after the last event."""
        if not self._tables:
            return
        if self._twice:
            yield self._defined_twice()
        for table in self._rows:
            known = self._known(table, engine)
            if known is None:
                yield from self._undefined(table, f"there are rows for {table.label}, but no definition of it", engine)
            else:
                yield from self._unknown_columns(table, known)
        for entry, constraint in self._constraints:
            yield from self._misfit(entry, constraint, engine)
        for entry in self._mentions:
            name = entry.subject
            if self._known(name, engine) is None and _folded(name) not in self._others:
                message = f"a statement of kind {entry.kind} is for {name.label}, which has no definition"
                yield from self._undefined(name, message, engine, entry)
        for entry in self._mentions:
            if entry.kind == Kind.ATTACH:
                yield from self._outside_parents(entry, engine)
                yield from self._unlike_parents(entry)
        yield from self._misnamed()

    def _misnamed(self) -> Iterator[Finding]:
        """Sequences and locked tables that nothing defines, and whose name is a bit away from one that is defined."""
        for entry in self._named:
            name = entry.subject
            known = self._sequences if entry.kind == Kind.SEQUENCE_VALUE else self._tables.keys() | self._sequences
            if name in known or name.database in self._foreign_databases:
                continue
            near = next((other for other in known if one_bit_apart(other.full_label, name.full_label)), None)
            if near is not None:
                yield fault(
                    "table-undefined",
                    f"a statement of kind {entry.kind} is for {name.label}, which has no definition; {near.label} has",
                    "a name is damaged in one of the two; compare with another copy",
                    _place_in(entry),
                )

    def _unlike_parents(self, entry: Entry) -> Iterator[Finding]:
        """A partition or child that lacks a column of its parent, and has one whose name is a bit away from it."""
        child = self._tables.get(entry.subject)
        for name in entry.parents:
            parent = self._tables.get(name)
            if child is None or parent is None or not (child.certain and parent.certain):
                continue
            strange = child.columns - parent.columns
            for column in sorted(parent.columns - child.columns):
                near = next((other for other in strange if one_bit_apart(column, other)), None)
                if near is not None:
                    yield fault(
                        "column-unknown",
                        f"{entry.name.label} has a column {near!r} where its parent {name.label} has {column!r}",
                        "a name is damaged in one of the two; compare with another copy",
                        _place_in(entry),
                    )

    def _defined_twice(self) -> Finding:
        """One fault for all tables that are defined again."""
        first = self._twice[0]
        more = f", and {len(self._twice) - 1:,} more tables" if len(self._twice) > 1 else ""
        return fault(
            "defined-twice",
            f"{first.name.full_label} is defined twice without being dropped in between{more}",
            "the same backup may stand twice in the file: a server refuses the second definition and doubles the rows",
            _place_in(first),
        )

    def _known(self, name: Name, engine: Engine | None) -> _Known | None:
        """What is known of a table, by its name as its engine tells it from others."""
        found = self._tables.get(name)
        if found is None and (engine is None or dialect_of(engine).folds_names):
            other = self._folded.get(_folded(name))
            found = self._tables[other] if other is not None else None
        return found

    def _undefined(
        self, name: Name, message: str, engine: Engine | None, entry: Entry | None = None
    ) -> Iterator[Finding]:
        """A table that nothing in the backup defines: damage, unless something else may bring it."""
        if dialect_of(engine).is_own(name):
            return
        if _folded(name) in self._others and entry is not None:
            return
        place = _place_of(name) if entry is None else _place_in(entry)
        if name.database in self._foreign_databases:
            yield note(
                "table-elsewhere",
                message,
                "an extension may bring it; if none does, a part of the backup is missing",
                place,
            )
            return
        yield fault(
            "table-undefined",
            message,
            "a part of the backup is missing, or a name is damaged; compare with another copy",
            place,
        )

    def _unknown_columns(self, table: Name, known: _Known) -> Iterator[Finding]:
        """Columns that rows name and the definition lacks."""
        if not known.certain:
            return
        for name in self._named_columns.get(table, {}):
            folded = name.casefold()
            if folded not in known.columns and not (known.versioned and folded in _VERSION_COLUMNS):
                yield fault(
                    "column-unknown",
                    f"the rows of {table.label} name a column {name!r} that its definition does not have",
                    "a name is damaged in one of the two; compare with another copy",
                    _place_of(table),
                )

    def _misfit(self, entry: Entry, constraint: Constraint, engine: Engine | None) -> Iterator[Finding]:
        """A constraint of a table that isn't there, or over columns that it lacks, or to a table that isn't there."""
        name = entry.subject
        what = f"{constraint.kind} {constraint.name}".strip()
        known = self._known(name, engine)
        if known is None:
            if _folded(name) not in self._others:
                message = f"the {what} is for a table {name.label} that has no definition"
                yield from self._undefined(name, message, engine, entry)
            return
        yield from self._unknown_key_columns(name, known, constraint, entry, engine)
        parent = constraint.references
        if parent is not None and self._known(parent, engine) is None:
            yield self._reference_outside(f"the {what} of {name.label}", parent, entry)

    def _unknown_key_columns(
        self, name: Name, known: _Known, constraint: Constraint, entry: Entry, engine: Engine | None
    ) -> Iterator[Finding]:
        """Columns that a key names and its table lacks."""
        if not known.certain or (dialect_of(engine).quotes_strings and constraint.kind is ConstraintKind.INDEX):
            return  # a quoted name that is no column may be a string there
        for column in constraint.columns:
            folded = column.casefold()
            if folded not in known.columns | _ALWAYS_THERE and not (known.versioned and folded in _VERSION_COLUMNS):
                yield fault(
                    "column-unknown",
                    f"the {constraint.kind} {constraint.name} of {name.label} names a column {column!r} "
                    "that the table does not have",
                    "a name is damaged in one of the two; compare with another copy",
                    _place_in(entry),
                )

    def _outside_parents(self, entry: Entry, engine: Engine | None) -> Iterator[Finding]:
        """Parents of a partition that are not in the backup."""
        for parent in entry.parents:
            if self._known(parent, engine) is None and _folded(parent) not in self._others:
                yield self._reference_outside(f"the table {entry.name.label}", parent, entry)

    def _reference_outside(self, what: str, parent: Name, entry: Entry) -> Finding:
        """A reference to a table that is not in the backup: part of a selection, or of the source's own making."""
        self.outside = True
        return note(
            "reference-outside",
            f"{what} refers to {parent.label}, which is not in this backup",
            "restore that table first, or the reference will fail",
            _place_in(entry),
        )


def _made_if_missing(entry: Entry) -> bool:
    """Whether a definition counts only where there is none yet."""
    return b"if not exists" in b" ".join(entry.definition[:200].lower().split())


def brings_tables(entry: Entry) -> bool:
    """Whether an entry is of an extension that may bring tables with rows, which the backup then doesn't define."""
    return entry.kind == Kind.EXTENSION and entry.name.name not in _WITHOUT_TABLES


def _place_of(name: Name) -> Place:
    """The place of a table as a whole."""
    return Place(database=name.database, schema=name.schema, table=name.name)


def _place_in(entry: Entry) -> Place:
    """The place of a statement."""
    return Place(plain_from=entry.plain_from, plain_to=entry.plain_to, line=entry.line)


def _folded(name: Name) -> tuple[str | None, str | None, str]:
    """A name without regard to case."""
    return name.database, name.schema, name.name.casefold()

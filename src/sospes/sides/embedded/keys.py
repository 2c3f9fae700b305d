"""Keys, references, checks and indexes of a loaded side copy, and the engine's own checks of it."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass

from sospes.model.entries import Column, Constraint, ConstraintKind, Engine, Name
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.model.types import Meaning
from sospes.sides.embedded.checks import translated
from sospes.sides.embedded.copy import EmbeddedCopy
from sospes.sides.embedded.meaning import COARSE, LEFT_TO_SQLITE
from sospes.sides.embedded.names import quoted
from sospes.sides.embedded.shape import HeldTable

MOST_EXAMPLES = 20


@dataclass(frozen=True, slots=True, kw_only=True)
class NotRehearsed:
    """Something of the backup that this side copy can't try, and why."""

    kind: str
    name: str
    reason: str


@dataclass(frozen=True, slots=True)
class _Reference:
    """A reference from columns of a table to as many of its parent."""

    table: HeldTable
    columns: list[Column]
    parent: HeldTable
    parent_columns: list[Column]

    @property
    def coarse(self) -> bool:
        """Whether only the engine knows for certain when two of its values are the same."""
        pairs = zip(self.columns, self.parent_columns, strict=True)
        return any(
            not self.table.exact(column)
            or not self.parent.exact(other)
            or self.table.meaning(column) is not self.parent.meaning(other)
            for column, other in pairs
        )


class Keys:
    """Puts a table's constraints on its loaded rows, step by step; what fails is yielded."""

    def __init__(self, copy: EmbeddedCopy) -> None:
        self._copy = copy
        self.not_rehearsed: list[NotRehearsed] = []
        self._unique_indexes: set[tuple[str, frozenset[str]]] = set()
        self._by_meaning: list[_Reference] = []

    def unique_keys(self) -> Iterator[Finding]:
        """Primary keys and unique constraints."""
        for table, constraint in self._of(ConstraintKind.PRIMARY, ConstraintKind.UNIQUE):
            yield from self._unique(table, constraint)

    def indexes(self) -> None:
        """Plain indexes, where their columns and condition can be put into SQLite's words."""
        for table, constraint in self._of(ConstraintKind.INDEX):
            columns = self._columns(table, constraint)
            condition = self._condition(table, constraint.expression)
            plain = constraint.text in {"", "btree index", "hash index"} or not constraint.text.endswith("index")
            if (
                not columns
                or condition is None
                or constraint.prefix
                or not plain
                or "fulltext" in constraint.text.lower()
            ):
                reason = "its method, expression or condition means nothing to SQLite"
                self._skip("index", table, constraint.name, reason)
                continue
            self._create_index(table, constraint.name, columns, condition, unique=False)

    def declare(self) -> None:
        """References, checks and not-null conditions go into the definitions of the tables, as they stand now.

        Source: SQLite documentation, "ALTER TABLE", section 7, on changes that do not touch stored rows.
        """
        for table, constraint in self._of(ConstraintKind.FOREIGN):
            if constraint.validated:
                self._declare_reference(table, constraint)
            else:
                self._skip("foreign key", table, constraint.name, "it was not valid in the source")
        for table, constraint in self._of(ConstraintKind.CHECK):
            self._declare_check(table, constraint)
        for table, constraint in self._of(ConstraintKind.EXCLUDE):
            self._skip("exclusion constraint", table, constraint.name, "SQLite has none")
        run = self._copy.connection.execute
        run("PRAGMA writable_schema=ON")
        for table in self._copy.tables.values():
            if table.kept:
                run(
                    "UPDATE sqlite_schema SET sql = ? WHERE type = 'table' AND name = ?",
                    (table.statement(), table.held_name),
                )
        run("PRAGMA writable_schema=OFF")
        self._copy.reopen()

    def checked(self) -> Iterator[Finding]:
        """The engine's integrity check, with all declared conditions, and its reference check."""
        connection = self._copy.connection
        held = {table.held_name: table for table in self._copy.tables.values()}
        for (problem,) in connection.execute("PRAGMA integrity_check(100)"):
            if problem != "ok":
                yield condition_broken(problem, held)
        cursor = connection.execute("PRAGMA foreign_key_check")
        broken: dict[tuple[str, str], list[int]] = {}
        for child, row, parent, _ in cursor:
            broken.setdefault((child, parent), []).append(row)
        for (child, parent), rows in broken.items():
            yield self._reference_broken(held[child].name, _label(held, parent), rows)

    def _of(self, *kinds: ConstraintKind) -> Iterator[tuple[HeldTable, Constraint]]:
        """Constraints of some kinds, with the tables that they are of."""
        for table in self._copy.tables.values():
            for constraint in table.constraints:
                if constraint.kind in kinds:
                    yield table, constraint

    def _skip(self, kind: str, table: HeldTable, name: str, reason: str) -> None:
        """Note that a constraint isn't held here, and why."""
        label = f"{table.name.full_label}: {name}" if name else table.name.full_label
        self.not_rehearsed.append(NotRehearsed(kind=kind, name=label, reason=reason))

    def _columns(self, table: HeldTable, constraint: Constraint) -> list[Column]:
        """The columns of a key; none if one is generated, unknown or an expression."""
        found = [table.column(name) for name in constraint.columns]
        if any(column is None or column.generated for column in found):
            return []
        return [column for column in found if column is not None]

    def _condition(self, table: HeldTable, expression: str | None) -> str | None:
        """A predicate in SQLite's words, empty for none; None if there are no such words."""
        if expression is None:
            return ""
        meanings = {column.name: table.meaning(column) for column in table.kept}
        return translated(expression, table.engine, meanings, table.held_columns)

    def _not_held(self, table: HeldTable, constraint: Constraint, reason: str) -> Finding:
        """A doubt about a key that only its own engine can judge."""
        name = constraint.name or ", ".join(constraint.columns)
        self._skip(constraint.kind.value, table, name, reason)
        return doubt(
            "key-not-held",
            f"{table.name.full_label}: the {constraint.kind} {name} could not be held: {reason}",
            "compare with live, or restore on the backup's own engine, to prove this key",
            Place(database=table.name.database, schema=table.name.schema, table=table.name.name),
        )

    def _unique(self, table: HeldTable, constraint: Constraint) -> Iterator[Finding]:
        """Whether a key's values are unique, found by one query that sorts them."""
        columns = self._columns(table, constraint)
        condition = self._condition(table, constraint.expression)
        if not columns or constraint.prefix:
            reason = "it rests on an expression, a period, a generated column or a part of a column"
            self._skip(constraint.kind.value, table, constraint.name or ", ".join(constraint.columns), reason)
            return
        if condition is None:  # what holds for all rows holds for those of its condition
            if self._repeats(table, columns, "", constraint, by_meaning=False):
                reason = "SQLite has no words for its condition"
                self._skip(constraint.kind.value, table, constraint.name, reason)
            return
        meanings = {column.name: table.meaning(column) for column in columns}
        simple = set(meanings.values()) <= LEFT_TO_SQLITE and not constraint.nulls_not_distinct
        if simple:
            with suppress(sqlite3.IntegrityError):
                self._create_index(table, constraint.name, columns, condition, unique=True)
                if not condition:
                    self._unique_indexes.add((table.held_name, frozenset(column.name for column in columns)))
                return
        repeated = self._repeats(table, columns, condition, constraint, by_meaning=True)
        if not repeated:
            return
        if Meaning.FOLDED in meanings.values() and not self._repeats(
            table, columns, condition, constraint, by_meaning=False
        ):
            yield self._not_held(table, constraint, "only its collation knows whether some of its texts are the same")
            return
        yield _key_repeated(table.name, constraint, repeated)

    def _repeats(
        self,
        table: HeldTable,
        columns: list[Column],
        condition: str,
        constraint: Constraint,
        *,
        by_meaning: bool,
    ) -> list[int]:
        """How often keys stand that stand more than once, a few of them."""
        terms = [self._term(table, column, by_meaning) for column in columns]
        where = [condition] if condition else []
        if not constraint.nulls_not_distinct:
            where += [f"{quoted(table.held_columns[column.name])} IS NOT NULL" for column in columns]
        query = (
            f"SELECT count(*) FROM {quoted(table.held_name)} {'WHERE ' + ' AND '.join(where) if where else ''} "
            f"GROUP BY {', '.join(terms)} HAVING count(*) > 1 LIMIT {MOST_EXAMPLES}"
        )
        return [count for (count,) in self._copy.connection.execute(query)]

    def _term(self, table: HeldTable, column: Column, by_meaning: bool, prefix: str = "") -> str:
        """A column in a query, by its meaning where two texts may be one value."""
        name = prefix + quoted(table.held_columns[column.name])
        meaning = table.meaning(column)
        if not by_meaning or meaning in LEFT_TO_SQLITE:
            return name
        return f"sospes_same({name}, '{meaning}')"

    def _create_index(
        self, table: HeldTable, name: str, columns: list[Column], condition: str, *, unique: bool
    ) -> None:
        """An index of a key: references are looked up by it, and whoever keeps the copy finds it there."""
        given = self._copy.give_name(f"{table.held_name}.{name or 'key'}")
        listed = ", ".join(quoted(table.held_columns[column.name]) for column in columns)
        where = f" WHERE {condition}" if condition else ""
        try:
            self._copy.connection.execute(
                f"CREATE {'UNIQUE ' if unique else ''}INDEX {quoted(given)} "
                f"ON {quoted(table.held_name)} ({listed}){where}"
            )
        except sqlite3.OperationalError as error:
            raise self._copy.disk_error(error) from error

    def _declare_reference(self, table: HeldTable, constraint: Constraint) -> None:
        """A reference that SQLite itself can hold, as both of its ends have the same words for one value."""
        parent = self._find(constraint.references)
        if parent is None:
            label = constraint.references.full_label if constraint.references else "?"
            self._skip("foreign key", table, constraint.name, f"{label} is not in this side copy")
            return
        columns, parent_columns = self._columns(table, constraint), self._parent_columns(parent, constraint)
        if not columns or len(columns) != len(parent_columns):
            self._skip("foreign key", table, constraint.name, "a column of it is generated or not there")
            return
        reference = _Reference(table, columns, parent, parent_columns)
        if any("[" in column.type or table.meaning(column) is Meaning.OTHER for column in columns):
            reason = "only the engine knows when two of its values are the same"
            self._skip("foreign key", table, constraint.name, reason)
            return
        if reference.coarse or not self._left_to_sqlite(table, columns, parent, parent_columns):
            self._by_meaning.append(reference)
            return
        child = ", ".join(quoted(table.held_columns[column.name]) for column in columns)
        others = ", ".join(quoted(parent.held_columns[column.name]) for column in parent_columns)
        table.clauses.append(f"FOREIGN KEY ({child}) REFERENCES {quoted(parent.held_name)} ({others})")

    def references_by_meaning(self) -> Iterator[Finding]:
        """References whose keys are the same only by their type's meaning, or lie in several partitions."""
        for reference in self._by_meaning:
            rows = self._unmatched(reference)
            if rows:
                yield self._reference_broken(reference.table.name, reference.parent.name.full_label, rows)

    def _unmatched(self, reference: _Reference) -> list[int]:
        """Examples of rows whose parent isn't there, and how many there are of each."""
        table, columns, coarse = reference.table, reference.columns, reference.coarse
        run = self._copy.connection.execute
        run("DROP TABLE IF EXISTS temp.parent_keys")
        names = [f"k{index}" for index in range(len(columns))]
        run(f"CREATE TEMP TABLE parent_keys ({', '.join(names)})")
        for member in self._members(reference.parent):
            terms = ", ".join(self._key_term(member, column, "", coarse) for column in reference.parent_columns)
            run(f"INSERT INTO temp.parent_keys SELECT {terms} FROM {quoted(member.held_name)}")
        run(f"CREATE INDEX temp.parent_keys_index ON parent_keys ({', '.join(names)})")
        present = [f"c.{quoted(table.held_columns[column.name])} IS NOT NULL" for column in columns]
        same = [
            f"p.{name} = {self._key_term(table, column, 'c.', coarse)}"
            for name, column in zip(names, columns, strict=True)
        ]
        query = (
            f"SELECT c.rowid FROM {quoted(table.held_name)} c WHERE {' AND '.join(present)} "
            f"AND NOT EXISTS (SELECT 1 FROM temp.parent_keys p WHERE {' AND '.join(same)})"
        )
        rows = [row for (row,) in run(query)]
        run("DROP TABLE temp.parent_keys")
        return rows

    def _key_term(self, table: HeldTable, column: Column, prefix: str, coarse: bool) -> str:
        """A key's column in a query; a coarse one takes for equal what might be."""
        if not coarse:
            return self._term(table, column, True, prefix)
        return f"sospes_same({prefix}{quoted(table.held_columns[column.name])}, '{COARSE}')"

    def _reference_broken(self, name: Name, parent: str, rows: list[int]) -> Finding:
        """SQLite holds references only on demand, so that rows without a parent are the source's own.

        MariaDB's may be, too: whoever switches its checks off can leave such rows, and a dump loads them like that.
        """
        advice = f"rows of {parent} are missing, or a key is damaged"
        if self._copy.engine is Engine.POSTGRESQL:
            told, advice = fault, f"{advice}: compare both with live"
        elif self._copy.engine is Engine.SQLITE:
            told, advice = note, "SQLite doesn't hold references unless asked to: the source may have these rows, too"
        else:
            told, advice = doubt, f"{advice}, or the source has such rows, too: compare both with live"
        return told(
            "reference-broken",
            f"{name.full_label}: {'1 row points' if len(rows) == 1 else f'{len(rows):,} rows point'} to rows of "
            f"{parent} that aren't there",
            advice,
            _place(name),
        ).at(row_from=rows[0], row_to=rows[0] if len(rows) == 1 else None)

    def _members(self, parent: HeldTable) -> list[HeldTable]:
        """A table and, if it is partitioned, all of its partitions."""
        found = [parent]
        for member in found:
            found += [table for table in self._copy.tables.values() if member.name in table.partition_of]
        return found

    def _find(self, name: Name | None) -> HeldTable | None:
        """A table by its name; by its bare name, where a reference names no schema."""
        if name is None or name in self._copy.tables:
            return self._copy.tables.get(name) if name else None
        folded = name.name.casefold()
        if self._copy.engine.value == "postgresql":
            return None
        return next(
            (
                table
                for other, table in self._copy.tables.items()
                if other.name.casefold() == folded and other.database == name.database
            ),
            None,
        )

    def _parent_columns(self, parent: HeldTable, constraint: Constraint) -> list[Column]:
        """The columns that a reference is to: those that it names, else the primary key's."""
        names = constraint.reference_columns
        if not names:
            primary = next((key for key in parent.constraints if key.kind is ConstraintKind.PRIMARY), None)
            names = primary.columns if primary else ()
        found = [parent.column(name) for name in names]
        return [column for column in found if column is not None and not column.generated]

    def _left_to_sqlite(
        self, table: HeldTable, columns: list[Column], parent: HeldTable, parent_columns: list[Column]
    ) -> bool:
        """Whether SQLite's own reference check means the same: plain keys, a unique index, one parent table."""
        meanings = {table.meaning(column) for column in columns} | {parent.meaning(column) for column in parent_columns}
        has_key = (parent.held_name, frozenset(column.name for column in parent_columns)) in self._unique_indexes
        return meanings <= LEFT_TO_SQLITE and has_key and len(self._members(parent)) == 1

    def _declare_check(self, table: HeldTable, constraint: Constraint) -> None:
        """A check that SQLite can judge as the backup's own engine would; the others are listed."""
        condition = self._condition(table, constraint.expression) if constraint.expression else None
        if not condition or not constraint.validated:
            reason = "its condition means something else to SQLite, or nothing"
            self._skip("check", table, constraint.name or constraint.text, reason)
            return
        table.clauses.append(f"CHECK {condition}")


def _label(held: dict[str, HeldTable], name: str) -> str:
    found = held.get(name)
    return found.name.full_label if found else name


def _place(name: Name) -> Place:
    """The place of a table as a whole."""
    return Place(database=name.database, schema=name.schema, table=name.name)


def _key_repeated(name: Name, constraint: Constraint, counts: list[int]) -> Finding:
    """A key that stands more than once; its examples are counted up to a limit."""
    many = "at least " if len(counts) == MOST_EXAMPLES else ""
    return fault(
        "key-repeated",
        f"{name.full_label}: {many}{len(counts):,} keys of the {constraint.kind} {constraint.name} "
        f"({', '.join(constraint.columns)}) stand more than once, {sum(counts):,} rows in all",
        "rows are doubled or a key is damaged: the server would refuse this key; compare with live",
        _place(name),
    )


def condition_broken(problem: str, held: dict[str, HeldTable]) -> Finding:
    """What a line of the engine's integrity check means; tables by their names in the side copy."""
    for kind in ("NULL value in ", "CHECK constraint failed in "):
        if problem.startswith(kind):
            rest = problem[len(kind) :]
            table = next((table for name, table in held.items() if rest == name or rest.startswith(name + ".")), None)
            label = table.name.full_label if table else rest
            what = (
                "holds NULL where its definition forbids it"
                if kind.startswith("NULL")
                else "breaks a check of its definition"
            )
            return fault(
                "null-forbidden" if kind.startswith("NULL") else "check-broken",
                f"{label}: a row {what} ({rest})",
                "the row is damaged, or was so on live: the server would refuse it; compare with live",
                _place(table.name) if table else None,
            )
    return fault(
        "side-copy-damaged",
        f"the side copy itself fails the engine's check: {problem}",
        "check this machine's disk and memory, then run this again",
    )

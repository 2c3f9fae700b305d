"""Writes the statements that bring RIGHT's missing or changed rows back from LEFT, each guarded by what was seen.

It is a script for people to review. Applied, it is one transaction that ends at the first row that is no longer as it
was compared.
"""

from __future__ import annotations

import time
from collections.abc import Callable, Iterator, Sequence
from contextlib import ExitStack
from dataclasses import dataclass, field, replace
from datetime import datetime
from decimal import Decimal, InvalidOperation
from itertools import chain
from pathlib import Path

from sospes.engines.registry import dialect_of
from sospes.engines.statements import Statements, Work
from sospes.model.entries import Column, Engine, Name
from sospes.model.errors import CannotCheck, UsageError
from sospes.model.events import Held
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.model.outcome import Outcome
from sospes.model.types import Meaning
from sospes.model.verdict import Rung
from sospes.places.writing import write_whole
from sospes.rows.decoding import Row
from sospes.sides.registry import server_of
from sospes.sides.servers.address import Address
from sospes.work.compare.compare import opened_sides
from sospes.work.compare.drift import require_drift, with_time
from sospes.work.compare.matching import Comparing, matched
from sospes.work.compare.pairing import Pair, Pairing, pair_tables
from sospes.work.compare.sides.protocol import RowSide
from sospes.work.extract.gathering import heading
from sospes.work.mend.objects import ObjectFix, object_fixes
from sospes.work.objects.differences import ObjectDifference, listed_objects

MOST_ROWS = 500_000
"""Rows that one script brings back at most; more are a restore, not a mend."""


@dataclass(frozen=True, slots=True, kw_only=True)
class MendedTable:
    """How many rows of a table the script touches; `extra` are only on the right, and left alone."""

    database: str | None
    schema: str | None
    name: str
    inserts: int
    updates: int
    extra: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Mend:
    """What was written, and what was applied."""

    left: str
    right: str
    out: str | None
    undo: str | None
    applied: bool
    tables: tuple[MendedTable, ...]
    objects: tuple[ObjectDifference, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Mending:
    """How to mend.

    out, undo  the scripts to write: there, and back again
    only       'missing', 'changed', or both when None
    columns    the only columns to set back in changed rows; all when empty
    first_key, last_key  bounds of the key's first column, both included; None for no bound
    objects    whether dropped objects other than tables are made anew
    apply_to   the name of the database to apply the statements to, which must be RIGHT's; None writes only
    """

    comparing: Comparing
    out: Path | None
    undo: Path | None = None
    only: str | None = None
    columns: Sequence[str] = ()
    first_key: str | None = None
    last_key: str | None = None
    objects: bool = False
    apply_to: str | None = None
    now: datetime | None = None


@dataclass(slots=True)
class _Fix:
    """One table's statements: there, and back again."""

    pair: Pair
    inserts: int = 0
    updates: int = 0
    extra: int = 0
    forward: list[bytes] = field(default_factory=list)
    back: list[bytes] = field(default_factory=list)


def mend(left_place: Path | Address, right_place: Path | Address, how: Mending) -> Outcome[Mend]:
    """Compare, and write the statements. RIGHT is only read, unless `apply_to` names its database.

    Raises UsageError for outputs that exist, or a database's name that is not RIGHT's.
    """
    begin = time.perf_counter()
    _check(right_place, how)
    require_drift(left_place, right_place, how.comparing)
    with ExitStack() as stack:
        left, right = opened_sides(left_place, right_place, how.comparing, stack)
        how = replace(how, comparing=with_time(left, how.comparing))
        engine = right.engine or left.engine
        if engine is None:
            raise UsageError(f"{right.name}: is a file of rows, which no statement changes", "name a database as RIGHT")
        statements = dialect_of(engine).statements
        if left.engine is not None and left.engine.family is not engine.family:
            raise UsageError(
                f"{left.name} is of {left.engine.value}, {right.name} of {engine.value}",
                "rows are brought back between sides of one engine only",
            )
        pairing = pair_tables(left, right, how.comparing.choice)
        fixes = _ordered(list(_fixes((left, right), pairing, statements, how, stack)))
        triggers = _triggers(right, fixes)
        chosen = {(fix.pair.right.name.schema or "", fix.pair.right.name.name) for fix in fixes}
        made = object_fixes(left, right, frozenset(chosen) if how.comparing.tables else None) if how.objects else []
    forward, back = _works(fixes, made)
    header = _header(left, right, how, [*_counts(fixes), *(f"made anew: {item.item.key.label}" for item in made)])
    _write(how.out, statements.script(forward), header("brings back what is missing or changed"))
    _write(how.undo, statements.script(back), header("takes back what the other script did"))
    if how.apply_to is not None and isinstance(right_place, Address):
        server_of(right_place.engine).apply(right_place, forward)
    findings = (*pairing.findings, *_gone(pairing, left), *_notes(fixes), *_unwritable(engine, fixes), *triggers)
    if how.apply_to is not None:
        findings += tuple(_left_over(left_place, right_place, how))
    tables = tuple(
        MendedTable(
            database=fix.pair.name.database, schema=fix.pair.name.schema, name=fix.pair.name.name,
            inserts=fix.inserts, updates=fix.updates, extra=fix.extra,
        )
        for fix in fixes
        if fix.inserts or fix.updates or fix.extra
    )  # fmt: skip
    return Outcome(
        name=left.name,
        findings=findings,
        evidence=(Rung.PRESENT, Rung.IDENTIFIED),
        result=Mend(
            left=left.name, right=right.name, out=str(how.out) if how.out else None,
            undo=str(how.undo) if how.undo else None, applied=how.apply_to is not None, tables=tables,
            objects=listed_objects([item.item for item in made]),
        ),
        seconds=time.perf_counter() - begin,
    )  # fmt: skip


def _works(fixes: Sequence[_Fix], made: Sequence[ObjectFix]) -> tuple[Work, Work]:
    """What brings all back, and what takes it away again."""
    forward = Work(
        rows=[statement for fix in fixes for statement in fix.forward],
        behind=[
            heading(item.item.key.kind, item.item.key.label) + statement for item in made for statement in item.forward
        ],
    )
    back = Work(
        rows=[statement for fix in reversed(fixes) for statement in reversed(fix.back)],
        before=[statement for item in reversed(made) for statement in item.back],
    )
    return forward, back


def _check(right: Path | Address, how: Mending) -> None:
    """Raises UsageError for what can't be: outputs that exist, a place that is no database, another database's name."""
    for path in (how.out, how.undo):
        if path is not None and path.exists():
            raise UsageError(f"{path}: is there already", "name another file; a script is never overwritten")
    if isinstance(right, Address) and dialect_of(right.engine).has_schemas and right.database is None:
        raise UsageError(f"{right.label}: names no database, and a script is for one", "name it in the address")
    if how.apply_to is None:
        return
    if not isinstance(right, Address):
        raise UsageError("--apply needs a live database as RIGHT", "leave --apply away, and feed the script yourself")
    if how.apply_to != right.database:
        raise UsageError(
            f"--apply names {how.apply_to!r}, RIGHT is the database {right.database!r}",
            "give the very name of the database that is to be changed",
        )


def _fixes(
    sides: tuple[RowSide, RowSide], pairing: Pairing, statements: Statements, how: Mending, stack: ExitStack
) -> Iterator[_Fix]:
    """The statements for each pair of tables that differ."""
    comparing = replace(how.comparing, limit=0)
    for found in matched(*sides, pairing, comparing, stack):
        fix = _Fix(found.pair)
        found.differences(_Maker(fix, statements, how).take)
        yield fix


@dataclass(slots=True)
class _Maker:
    """Makes the statements for the rows of one table that differ."""

    fix: _Fix
    statements: Statements
    how: Mending

    def take(self, kind: str, left: Row | None, right: Row | None) -> None:
        """One row that is only on one side, or differs."""
        if left is None:
            self.fix.extra += 1
            return
        if not self._chosen(left) or self.how.only not in {None, "missing" if right is None else "changed"}:
            return
        if len(self.fix.forward) >= MOST_ROWS:
            raise CannotCheck(
                f"{self.fix.pair.name.label}: more than {MOST_ROWS:,} rows are to be brought back",
                "that is a restore: extract the table, or take a part with --from-key and --to-key",
            )
        if right is None:
            self._insert(left)
        else:
            self._update(left, right)

    def _chosen(self, row: Row) -> bool:
        """Whether a row is among those that were asked for, by its key's first column."""
        first, last = self.how.first_key, self.how.last_key
        if (first is None and last is None) or not self.fix.pair.key:
            return True
        place = self.fix.pair.key[0]
        if row[place] is None:
            return False
        text = str(row[place])
        if self.fix.pair.meanings[place] not in {Meaning.INTEGER, Meaning.DECIMAL}:
            return (first is None or text >= first) and (last is None or text <= last)
        low, high = self._number(first), self._number(last)
        value = Decimal(text)
        return (low is None or value >= low) and (high is None or value <= high)

    def _number(self, bound: str | None) -> Decimal | None:
        """A bound of a key of numbers. Raises UsageError for one that is none."""
        try:
            return None if bound is None else Decimal(bound)
        except InvalidOperation as error:
            column = self.fix.pair.columns[self.fix.pair.key[0]]
            raise UsageError(
                f"{bound}: is no number, and {column} of {self.fix.pair.name.label} holds numbers",
                "give --from-key and --to-key values of the key's first column",
            ) from error

    def _cells(self, row: Row) -> dict[str, tuple[Column, Held]]:
        """A row's values by the right side's columns."""
        pair = self.fix.pair
        known = {column.name: column for column in pair.right.columns}
        return {
            name: (known.get(name, Column(name=name, type="")), value)
            for name, value in zip(pair.columns, row, strict=True)
        }

    def _table(self) -> Name:
        """The table on the right."""
        return self.fix.pair.right.name

    def _insert(self, left: Row) -> None:
        """Put a row back; its taking back goes by all of its values."""
        cells = self._cells(left)
        self.fix.forward.append(self.statements.insert(self._table(), cells))
        self.fix.back.append(self.statements.delete(self._table(), cells, keyed=bool(self.fix.pair.key)))
        self.fix.inserts += 1

    def _update(self, left: Row, right: Row) -> None:
        """Set the changed values of a row back, if it still is as it was compared."""
        pair = self.fix.pair
        keys = {pair.columns[index] for index in pair.key}
        wanted, seen = self._cells(left), self._cells(right)
        chosen = set(self.how.columns) or set(pair.columns)
        changed = [
            name
            for name, (_, value) in wanted.items()
            if name in chosen and name not in keys and value != seen[name][1]
        ]
        if not changed or not keys:
            return
        held = [name for name, (column, _) in seen.items() if column.moves and name not in changed and name not in keys]
        new = {name: wanted[name] for name in changed} | {name: seen[name] for name in held}
        old = {name: seen[name] for name in (*changed, *held)}
        key = {name: seen[name] for name in keys}
        self.fix.forward.append(self.statements.update(self._table(), new, key | old))
        self.fix.back.append(self.statements.update(self._table(), old, key | new))
        self.fix.updates += 1


def _ordered(fixes: list[_Fix]) -> list[_Fix]:
    """Tables that others refer to first; those that refer to each other in a loop keep their order."""
    by_name = {fix.pair.left.name: fix for fix in fixes}
    done: dict[Name, _Fix] = {}

    def visit(fix: _Fix, on_the_way: frozenset[Name]) -> None:
        name = fix.pair.left.name
        if name in done or name in on_the_way:
            return
        for parent in fix.pair.left.references:
            if parent in by_name:
                visit(by_name[parent], on_the_way | {name})
        done[name] = fix

    for fix in fixes:
        visit(fix, frozenset())
    return list(done.values())


def _gone(pairing: Pairing, left: RowSide) -> Iterator[Finding]:
    """Tables that RIGHT has lost are not mended row by row."""
    if not pairing.pairs:
        return
    for table in pairing.only_left:
        yield doubt(
            "table-gone",
            f"{table.name.full_label} is gone on the right, so no row of it was brought back",
            f"sospes extract {left.name} {table.name.label} --out FILE gives what brings it back whole",
            Place(database=table.name.database, schema=table.name.schema, table=table.name.name),
        )


def _triggers(right: RowSide, fixes: Sequence[_Fix]) -> list[Finding]:
    """Triggers on tables that are changed: what they do comes on top of the script."""
    if not right.live:
        return []
    tables = {
        (fix.pair.right.name.schema or "", fix.pair.right.name.name) for fix in fixes if fix.inserts + fix.updates
    }
    if not tables:
        return []
    side = right.objects_of(right.database_name, every=False)
    found = [key for key in side.found if key.kind == "trigger"] if side is not None else []
    named = [f"{key.name} on {key.about}" for key in found if (key.schema, key.about) in tables]
    if not named:
        return []
    return [
        note(
            "triggers-run",
            f"triggers will run for the rows that are brought back: {', '.join(sorted(named))}",
            "look at what they do; compare once more after the script was applied",
        )
    ]


def _left_over(left_place: Path | Address, right_place: Path | Address, how: Mending) -> Iterator[Finding]:
    """What still differs once all was applied: triggers, or somebody else, changed it again."""
    with ExitStack() as stack:
        left, right = opened_sides(left_place, right_place, how.comparing, stack)
        engine = right.engine or left.engine
        if engine is None:
            return
        pairing = pair_tables(left, right, how.comparing.choice)
        for fix in _fixes((left, right), pairing, dialect_of(engine).statements, how, stack):
            if fix.inserts + fix.updates:
                yield fault(
                    "rows-still-differ",
                    f"{fix.pair.name.full_label}: {fix.inserts + fix.updates:,} rows differ again or still, though all "
                    "statements were applied",
                    "a trigger, or another session, changed them: look at them, and compare again",
                )


def _notes(fixes: Sequence[_Fix]) -> Iterator[Finding]:
    """What the script leaves alone."""
    extra = sum(fix.extra for fix in fixes)
    if extra:
        rows = "1 row is" if extra == 1 else f"{extra:,} rows are"
        yield note("rows-extra", f"{rows} only on the right; the script leaves them alone")


def _unwritable(engine: Engine, fixes: Sequence[_Fix]) -> Iterator[Finding]:
    """Names that the engine's own client reads otherwise than they are written."""
    for fix in fixes:
        names = (fix.pair.right.name.name, *(column.name for column in fix.pair.right.columns))
        why = next(filter(None, map(dialect_of(engine).unwritable, names)), "")
        if (fix.inserts or fix.updates) and why:
            yield doubt(
                "name-unwritable",
                f"{fix.pair.name.label}: a name {why}",
                "feed the script by a program of your own, or with --table choose the other tables",
            )


def _counts(fixes: Sequence[_Fix]) -> Iterator[str]:
    """What the script does, table by table."""
    for fix in fixes:
        if fix.inserts or fix.updates:
            yield f"{fix.pair.name.full_label}: {fix.inserts:,} rows inserted, {fix.updates:,} changed"


def _header(left: RowSide, right: RowSide, how: Mending, counts: Sequence[str]) -> Callable[[str], list[str]]:
    """What a reader must know before the script is fed to a server; given what the script does."""
    made = how.now.isoformat(timespec="seconds") if how.now else ""
    return lambda does: [
        f"Made by sospes mend on {made}; it {does}.",
        f"From: {left.name}",
        f"For:  {right.name}",
        "Rows in one transaction; it ends without a change at the first row that is not as it was compared.",
        *counts,
    ]


def _write(path: Path | None, script: Iterator[bytes], header: Sequence[str]) -> None:
    """Write a script beside and rename it."""
    if path is None:
        return
    comments = (b"-- " + " ".join(line.split()).encode() + b"\n" for line in header)
    write_whole(path, chain(comments, script), "name another file")

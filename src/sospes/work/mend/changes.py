"""What is done to the rows of one table: which of those that differ are brought back, and by which statements."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from decimal import Decimal, InvalidOperation

from sospes.engines.statements import Cells, Guarded, Listed, Statements
from sospes.model.entries import Column, Name
from sospes.model.errors import CannotCheck, UsageError
from sospes.model.types import Meaning
from sospes.rows.canonical import canonical_cells
from sospes.rows.causes import Cause, CauseKind, Causes
from sospes.rows.decoding import Row
from sospes.rows.explain import Explanation
from sospes.work.compare.pairing import Pair

MOST_ROWS = 500_000
"""Rows that one script brings back at most; more are a restore, not a mend."""

MANY = 100
"""Rows of a table from which on they are changed by few statements instead of one each."""

_INSERTED_AT_ONCE = 500


@dataclass(frozen=True, slots=True, kw_only=True)
class Only:
    """Which rows are brought back of those that differ.

    kind       'missing', 'changed', or both when None
    columns    the only columns to set back in changed rows; all when empty
    first_key, last_key  bounds of the key's first column, both included; None for no bound
    """

    kind: str | None = None
    columns: Sequence[str] = ()
    first_key: str | None = None
    last_key: str | None = None


@dataclass(slots=True)
class Fix:
    """One table's rows that are brought back, and those that are left alone, `extra`."""

    pair: Pair
    missing: list[Row] = field(default_factory=list)
    changed: list[tuple[tuple[str, ...], Row, Row]] = field(default_factory=list)
    extra: int = 0

    @property
    def inserts(self) -> int:
        """Rows that are put in."""
        return len(self.missing)

    @property
    def updates(self) -> int:
        """Rows that are set back."""
        return len(self.changed)


@dataclass(slots=True)
class Picker:
    """Takes the rows of one table that differ, and keeps those that are to be brought back."""

    fix: Fix
    only: Only

    def take(self, kind: str, left: Row | None, right: Row | None) -> None:
        """One row that is only on one side, or differs."""
        if left is None:
            self.fix.extra += 1
            return
        if not self._chosen(left) or self.only.kind not in {None, "missing" if right is None else "changed"}:
            return
        if self.fix.inserts + self.fix.updates >= MOST_ROWS:
            raise CannotCheck(
                f"{self.fix.pair.name.label}: more than {MOST_ROWS:,} rows are to be brought back",
                "that is a restore: extract the table, or take a part with --from-key and --to-key",
            )
        if right is None:
            self.fix.missing.append(left)
        elif changed := self._set_back(left, right):
            self.fix.changed.append((changed, left, right))

    def _chosen(self, row: Row) -> bool:
        """Whether a row is among those that were asked for, by its key's first column."""
        first, last = self.only.first_key, self.only.last_key
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

    def _set_back(self, left: Row, right: Row) -> tuple[str, ...]:
        """The columns that are set back in a row; none where it has no key, or nothing that was asked for changed."""
        pair = self.fix.pair
        chosen = set(self.only.columns) or set(pair.columns)
        if not pair.key:
            return ()
        return tuple(
            name
            for place, name in enumerate(pair.columns)
            if place not in pair.key and name in chosen and left[place] != right[place]
        )


@dataclass(slots=True)
class Changes:
    """Writes the statements of one table: those that bring rows back, and those that take that back again.

    lists  numbers for lists of rows, no one twice in a script
    """

    fix: Fix
    statements: Statements
    lists: Iterator[int]
    _columns: dict[str, Column] = field(init=False)

    def __post_init__(self) -> None:
        """Look the pair's columns up on the right side."""
        known = {column.name: column for column in self.fix.pair.right.columns}
        self._columns = {name: known.get(name, Column(name=name, type="")) for name in self.fix.pair.columns}

    def forward(self) -> Iterator[Guarded]:
        """Missing rows in, changed rows back."""
        if self._many(self.fix.missing):
            for some in _parts(self.fix.missing):
                yield self.statements.insert_many(self._table, self.fix.pair.columns, some)
        else:
            for row in self.fix.missing:
                yield Guarded(self.statements.insert(self._table, self._cells(row)))
        for names, rows in self._alike():
            yield from self._updates(names, rows)

    def back(self) -> Iterator[Guarded]:
        """The same the other way round, the last first."""
        for names, rows in reversed(self._alike()):
            yield from self._updates(names, [(seen, wanted) for wanted, seen in reversed(rows)])
        key = self.fix.pair.key
        if key and self._many(self.fix.missing):
            others = [place for place in range(len(self.fix.pair.columns)) if place not in key]
            yield from self.statements.delete_listed(self._listed((), others, [(row, row) for row in self.fix.missing]))
            return
        for row in reversed(self.fix.missing):
            yield Guarded(self.statements.delete(self._table, self._cells(row), keyed=bool(key)))

    def _many(self, rows: Sequence[object]) -> bool:
        return self.statements.lists and len(rows) >= MANY

    def _alike(self) -> list[tuple[tuple[str, ...], list[tuple[Row, Row]]]]:
        """Changed rows, by the columns that are set back in them."""
        found: dict[tuple[str, ...], list[tuple[Row, Row]]] = {}
        for names, wanted, seen in self.fix.changed:
            found.setdefault(names, []).append((wanted, seen))
        return list(found.items())

    def _updates(self, names: tuple[str, ...], rows: Sequence[tuple[Row, Row]]) -> Iterator[Guarded]:
        """Rows set to values, each as it was seen. Columns that change by themselves are set to what they are."""
        pair = self.fix.pair
        moving = [
            place
            for place, name in enumerate(pair.columns)
            if name not in names and place not in pair.key and self._columns[name].moves
        ]
        if self._many(rows):
            places = [pair.columns.index(name) for name in names]
            kept = [(_kept(wanted, seen, moving), seen) for wanted, seen in rows]
            yield from self.statements.update_listed(self._listed((*places, *moving), (*places, *moving), kept))
            return
        for wanted, seen in rows:
            new, old = self._cells(_kept(wanted, seen, moving)), self._cells(seen)
            touched = [*names, *(pair.columns[place] for place in moving)]
            key = {pair.columns[place]: old[pair.columns[place]] for place in pair.key}
            before = key | {name: old[name] for name in touched}
            yield Guarded(self.statements.update(self._table, {name: new[name] for name in touched}, before))

    def _listed(self, new: Sequence[int], seen: Sequence[int], rows: Sequence[tuple[Row, Row]]) -> Listed:
        """A list of rows; columns by their places in the pair."""
        pair, columns = self.fix.pair, list(self._columns.values())
        return Listed(
            number=next(self.lists),
            table=self._table,
            key=[columns[place] for place in pair.key],
            new=[columns[place] for place in new],
            seen=[columns[place] for place in seen],
            rows=[
                [
                    *(before[place] for place in pair.key),
                    *(wanted[place] for place in new),
                    *(before[place] for place in seen),
                ]
                for wanted, before in rows
            ],
        )

    def _cells(self, row: Row) -> Cells:
        """A row's values by the right side's columns."""
        return {name: (column, value) for (name, column), value in zip(self._columns.items(), row, strict=True)}

    @property
    def _table(self) -> Name:
        """The table on the right."""
        return self.fix.pair.right.name


def _kept(wanted: Row, seen: Row, moving: Sequence[int]) -> Row:
    """A row as it is wanted, but for columns that would change by themselves: they stay as they were seen."""
    if not moving:
        return wanted
    return tuple(seen[place] if place in moving else value for place, value in enumerate(wanted))


def _parts(rows: Sequence[Row]) -> Iterator[Sequence[Row]]:
    for first in range(0, len(rows), _INSERTED_AT_ONCE):
        yield rows[first : first + _INSERTED_AT_ONCE]


def of_cause(fix: Fix, cause: Explanation) -> Fix:
    """The rows of a table that one cause accounts for, and the columns that it changed in them.

    Columns that change by themselves when others do are set back with those.
    """
    pair = fix.pair
    if not cause.columns:
        return replace(fix, changed=[])
    moving = {column.name for column in pair.right.columns if column.moves}
    causes, found = Causes(), []
    for names, wanted, seen in fix.changed:
        moved = tuple(name for name in names if name in moving and name not in cause.columns)
        if cause.kind not in set(CauseKind):
            if set(cause.columns) <= set(names):
                found.append(((*cause.columns, *moved), wanted, seen))
            continue
        left, right = canonical_cells(wanted, pair.functions), canonical_cells(seen, pair.functions)
        mine = tuple(
            name
            for name in names
            if name in cause.columns and _is_cause(causes.of(*_cells_of(left, right, pair, name)), cause)
        )
        if mine:
            found.append(((*mine, *moved), wanted, seen))
    return replace(fix, missing=[], changed=found)


def _cells_of(left: Sequence[bytes], right: Sequence[bytes], pair: Pair, name: str) -> tuple[bytes, bytes, Meaning]:
    place = pair.columns.index(name)
    return left[place], right[place], pair.meanings[place]


def _is_cause(found: Cause | None, wanted: Explanation) -> bool:
    return found is not None and (found.kind, found.words) == (wanted.kind, wanted.detail)

"""Which table of one side belongs to which of the other, and what their rows are compared by."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

from sospes.model.entries import Column, Engine, Name
from sospes.model.errors import NotFound, UsageError
from sospes.rows.canonical import Canonical, canonical_of
from sospes.rows.totals import SUMMED
from sospes.rows.types import Meaning, base_type, meaning_of
from sospes.work.held_rows import RowFile
from sospes.work.row_sides import RowSide, RowTable
from sospes.work.selection import Selection


@dataclass(frozen=True, slots=True, kw_only=True)
class Pair:
    """Two tables whose rows are compared: their common columns, what those mean, and the key's places."""

    name: Name
    left: RowTable
    right: RowTable
    columns: tuple[str, ...]
    meanings: tuple[Meaning, ...]
    key: tuple[int, ...]
    left_extra: tuple[str, ...]
    right_extra: tuple[str, ...]

    @property
    def functions(self) -> tuple[Canonical, ...]:
        """What gives the canonical bytes of each column's values."""
        return tuple(canonical_of(meaning) for meaning in self.meanings)

    @property
    def timed(self) -> tuple[int, ...]:
        """The columns of dates and times."""
        dates = {
            column.name for column in (*self.left.columns, *self.right.columns) if base_type(column.type) == "date"
        }
        return tuple(
            index
            for index, meaning in enumerate(self.meanings)
            if meaning in {Meaning.MOMENT, Meaning.STAMP} or self.columns[index] in dates
        )

    @property
    def summed(self) -> tuple[int, ...]:
        """The columns that have control totals."""
        return tuple(index for index, meaning in enumerate(self.meanings) if meaning in SUMMED)


@dataclass(frozen=True, slots=True)
class Pairing:
    """The pairs, and the tables that only one side has."""

    pairs: tuple[Pair, ...]
    only_left: tuple[RowTable, ...]
    only_right: tuple[RowTable, ...]


def pair_tables(
    left: RowSide, right: RowSide, tables: Sequence[str], key: Sequence[str], ignored: Sequence[str]
) -> Pairing:
    """Pair the tables of two sides. A file of rows is paired with the one table that was named.

    Raises NotFound or UsageError for names that mean no table or several, or columns that are not there.
    """
    wanted = _wanted(left, right, tables)
    pairs = []
    only_left = []
    taken: set[Name] = set()
    counterparts = _Counterparts(left, right, wanted(right))
    for name in wanted(left):
        other = counterparts.of(name)
        if other is None:
            only_left.append(left.tables[name])
            continue
        taken.add(other)
        pairs.append(_pair((left, right), (left.tables[name], right.tables[other]), key, ignored))
    only_right = [right.tables[name] for name in wanted(right) if name not in taken]
    _check_ignored(pairs, [*ignored, *key])
    return Pairing(tuple(pairs), tuple(only_left), tuple(only_right))


def _wanted(left: RowSide, right: RowSide, tables: Sequence[str]) -> Callable[[RowSide], list[Name]]:
    files = [side for side in (left, right) if isinstance(side, RowFile)]
    others = [side for side in (left, right) if not isinstance(side, RowFile)]
    if files and others and len(tables) != 1 and len(others[0].tables) != 1:
        raise UsageError(
            f"{files[0].name} is a file of rows, and {others[0].name} has {len(others[0].tables):,} tables",
            "say which table the rows are of with --table TABLE",
        )
    chosen: dict[str, list[Name]] = {}
    problems: list[NotFound] = []
    for side in others:
        selection = Selection(tables)
        selection.see(side.tables)
        try:
            chosen[side.name] = selection.settle()
        except NotFound as error:
            problems.append(error)
            chosen[side.name] = [name for name in side.tables if tables and selection(name)]
    if problems and len(problems) == len(others):
        raise problems[0]
    return lambda side: list(side.tables) if isinstance(side, RowFile) else chosen[side.name]


class _Counterparts:
    """Finds which table of the right side is meant by one of the left."""

    def __init__(self, left: RowSide, right: RowSide, candidates: list[Name]) -> None:
        self._first = candidates[:1] if isinstance(left, RowFile) or isinstance(right, RowFile) else None
        spellings: list[Callable[[Name], object]] = [lambda one: one, lambda one: one.full_label, lambda one: one.label]
        if left.engine is not right.engine:
            spellings.append(lambda one: one.name)
        self._known: list[tuple[Callable[[Name], object], dict[object, list[Name]]]] = []
        for spelled in spellings:
            known: dict[object, list[Name]] = {}
            for name in candidates:
                known.setdefault(spelled(name), []).append(name)
            self._known.append((spelled, known))

    def of(self, name: Name) -> Name | None:
        """The right table; a file of rows has one only. None where there is none, or several might be meant."""
        if self._first is not None:
            return next(iter(self._first), None)
        for spelled, known in self._known:
            found = known.get(spelled(name), [])
            if len(found) == 1:
                return found[0]
        return None


def _pair(
    sides: tuple[RowSide, RowSide], tables: tuple[RowTable, RowTable], key: Sequence[str], ignored: Sequence[str]
) -> Pair:
    (left, right), (one, other) = sides, tables
    theirs = {_folded(column.name, right.engine): column for column in other.columns}
    columns: list[str] = []
    meanings: list[Meaning] = []
    for column in one.columns:
        match = theirs.pop(_folded(column.name, right.engine), None)
        if match is not None and column.name not in ignored:
            columns.append(column.name)
            meanings.append(_meaning(left.engine, column, right.engine, match))
    mine = {_folded(column.name, right.engine) for column in one.columns}
    names = {_folded(column.name, right.engine) for column in other.columns}
    left_extra = tuple(
        column.name
        for column in one.columns
        if _folded(column.name, right.engine) not in names and column.name not in ignored
    )
    right_extra = tuple(
        column.name
        for column in other.columns
        if _folded(column.name, right.engine) not in mine and column.name not in ignored
    )
    wanted = tuple(key) or one.key or other.key
    return Pair(
        name=other.name if isinstance(left, RowFile) else one.name,
        left=one,
        right=other,
        columns=tuple(columns),
        meanings=tuple(meanings),
        key=_key_places(wanted, columns, one.name, bool(key)),
        left_extra=left_extra,
        right_extra=right_extra,
    )


def _key_places(key: Sequence[str], columns: Sequence[str], table: Name, given: bool) -> tuple[int, ...]:
    folded = [column.casefold() for column in columns]
    missing = [name for name in key if name.casefold() not in folded]
    if missing and given:
        raise NotFound(f"{table.label}: has no column {missing[0]!r} on both sides", f"it has: {', '.join(columns)}")
    return () if missing else tuple(folded.index(name.casefold()) for name in key)


def _folded(name: str, engine: Engine | None) -> str:
    return name if engine is Engine.POSTGRESQL else name.casefold()


def _meaning(one: Engine | None, column: Column, other: Engine | None, match: Column) -> Meaning:
    """The meaning that both sides share; a side without types follows the other."""
    found = [
        meaning_of(engine, definition.type, definition.collation)
        for engine, definition in ((one, column), (other, match))
        if engine is not None and definition.type
    ]
    if one is Engine.SQLITE and other is Engine.SQLITE and not found:
        return Meaning.DYNAMIC
    if not found:
        return Meaning.TEXT
    meaning = found[0] if len(set(found)) == 1 else _wider(found)
    return Meaning.TEXT if meaning in {Meaning.FOLDED, Meaning.OTHER} else meaning


def _wider(found: Sequence[Meaning]) -> Meaning:
    """Of two meanings the one under which values of both can be the same."""
    if {Meaning.FLOAT, Meaning.INTEGER} <= set(found):
        return Meaning.DECIMAL  # as numbers of floating point, integers of many digits would be one
    for meaning in _WIDEST_FIRST:
        if meaning in found:
            return meaning
    return Meaning.TEXT


_WIDEST_FIRST = (
    Meaning.JSON, Meaning.DECIMAL, Meaning.MOMENT, Meaning.STAMP, Meaning.BOOLEAN, Meaning.FLOAT, Meaning.DYNAMIC,
    Meaning.BYTES, Meaning.INTEGER, Meaning.PADDED,
)  # fmt: skip


def _check_ignored(pairs: Sequence[Pair], names: Sequence[str]) -> None:
    known = {column.name.casefold() for pair in pairs for table in (pair.left, pair.right) for column in table.columns}
    for name in names:
        if pairs and name.casefold() not in known:
            raise NotFound(f"no compared table has a column {name!r}", "check the name; the comparison was not made")

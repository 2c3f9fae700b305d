"""Which table of one side belongs to which of the other, and what their rows are compared by."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass

from sospes.engines.registry import dialect_of
from sospes.model.entries import Column, Engine, Name
from sospes.model.errors import NotFound, UsageError
from sospes.model.findings import Finding, doubt, note
from sospes.model.types import Meaning, base_type
from sospes.rows.canonical import Canonical, canonical_of
from sospes.rows.totals import SUMMED
from sospes.work.compare.scope import scoped
from sospes.work.compare.sides.protocol import RowSide, RowTable
from sospes.work.selection import ambiguous, means, near


@dataclass(frozen=True, slots=True, kw_only=True)
class Pair:
    """Two tables whose rows are compared: their common columns, what those mean, and the key's places.

    untyped  one of them is a file of rows, whose values are text
    """

    name: Name
    left: RowTable
    right: RowTable
    columns: tuple[str, ...]
    meanings: tuple[Meaning, ...]
    key: tuple[int, ...]
    left_extra: tuple[str, ...]
    right_extra: tuple[str, ...]
    untyped: bool = False

    @property
    def functions(self) -> tuple[Canonical, ...]:
        """What gives the canonical bytes of each column's values."""
        return tuple(canonical_of(meaning, untyped=self.untyped) for meaning in self.meanings)

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
    """The pairs, the tables that only one side has, and what is to be said of the sides as a whole."""

    pairs: tuple[Pair, ...]
    only_left: tuple[RowTable, ...]
    only_right: tuple[RowTable, ...]
    findings: tuple[Finding, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Choice:
    """Which tables are compared, and by what.

    tables    names of the only tables, by either side; all when empty
    key       columns that tell rows apart, in place of the primary key
    ignored   columns that are left out
    database  the only database of the left side, and the one of the right side that it belongs to
    """

    tables: Sequence[str] = ()
    key: Sequence[str] = ()
    ignored: Sequence[str] = ()
    database: tuple[str, str] | None = None


def pair_tables(left: RowSide, right: RowSide, choice: Choice) -> Pairing:
    """Pair the tables of two sides. A file of rows is paired with the one table that was named.

    Raises NotFound or UsageError for names that mean no table or several, or columns that are not there.
    """
    ours, theirs, notes = scoped(left, right, choice.database)
    pairs, only_left, only_right = _chosen(left, right, (ours, theirs), choice.tables)
    made = [
        _pair((left, right), (left.tables[one], right.tables[other]), choice.key, choice.ignored)
        for one, other in pairs
        if left.tables[one].kept and right.tables[other].kept
    ]
    _check_ignored(made, [*choice.ignored, *choice.key])
    findings = [*_of_engines(left, right), *notes]
    if not made and (only_left or only_right):
        findings.insert(0, _nothing_in_common(left, right, (len(only_left), len(only_right))))
    elif not made:
        findings.append(_nothing_compared(left, right))
    return Pairing(
        tuple(made),
        tuple(left.tables[name] for name in only_left),
        tuple(right.tables[name] for name in only_right),
        tuple(findings),
    )


def _of_engines(left: RowSide, right: RowSide) -> Iterator[Finding]:
    if left.engine is not None and right.engine is not None and left.engine.family is not right.engine.family:
        yield note(
            "engines-differ",
            f"left is of {left.engine.value}, right of {right.engine.value}: values are compared by what they mean, "
            "objects other than rows are not",
        )


def _nothing_in_common(left: RowSide, right: RowSide, counts: tuple[int, int]) -> Finding:
    return doubt(
        "nothing-in-common",
        f"no table is on both sides ({counts[0]:,} on the left, {counts[1]:,} on the right): "
        f"{left.name} and {right.name} seem to be of different databases",
        "name two sides of one database; nothing was compared",
    )


def _nothing_compared(left: RowSide, right: RowSide) -> Finding:
    return doubt(
        "nothing-compared",
        f"there is no table to compare in {left.name} and {right.name}",
        "name sides that hold tables; nothing was compared",
    )


def _chosen(
    left: RowSide, right: RowSide, names: tuple[list[Name], list[Name]], tables: Sequence[str]
) -> tuple[list[tuple[Name, Name]], list[Name], list[Name]]:
    """The pairs that are wanted, and the wanted tables that one side lacks. A name may be that of either side."""
    ours, theirs = names
    if not (left.typed and right.typed):
        return _with_file(left, right, names, tables)
    counterparts = _Counterparts(left, right, ours, theirs)
    pairs = [(name, other) for name in ours if (other := counterparts.of(name)) is not None]
    paired_left, paired_right = {one for one, _ in pairs}, {other for _, other in pairs}
    only_left = [name for name in ours if name not in paired_left]
    only_right = [name for name in theirs if name not in paired_right]
    if not tables:
        return pairs, only_left, only_right
    wanted: set[Name] = set()
    for text in tables:
        mine, its = ([name for name in side if means(text, name)] for side in names)
        if not mine and not its:
            raise NotFound(f"no table is called {text!r} on either side", near(text, ours or theirs))
        if len(mine or its) > 1:
            raise ambiguous(text, mine or its)
        wanted.update(mine or its)
    return (
        [(one, other) for one, other in pairs if one in wanted or other in wanted],
        [name for name in only_left if name in wanted],
        [name for name in only_right if name in wanted],
    )


def _with_file(
    left: RowSide, right: RowSide, names: tuple[list[Name], list[Name]], tables: Sequence[str]
) -> tuple[list[tuple[Name, Name]], list[Name], list[Name]]:
    """A file of rows has one table, whatever it is called; on the other side one has to be named."""
    ours, theirs = names
    if not (left.typed or right.typed):
        return [(ours[0], theirs[0])], [], []
    file, others = (right, ours) if left.typed else (left, theirs)
    found = [name for name in others if not tables or any(means(text, name) for text in tables)]
    if tables and not found:
        raise NotFound(f"no table is called {tables[0]!r} on the other side", near(tables[0], others))
    if len(found) != 1:
        raise UsageError(
            f"{file.name} is a file of rows, and the other side has {len(found):,} tables",
            "say which table the rows are of with --table TABLE",
        )
    return [(ours[0], found[0]) if file is left else (found[0], theirs[0])], [], []


class _Counterparts:
    """Finds which table of the right side is meant by one of the left."""

    def __init__(self, left: RowSide, right: RowSide, ours: list[Name], theirs: list[Name]) -> None:
        several = len({name.database for name in ours}) > 1 or len({name.database for name in theirs}) > 1
        spellings: list[Callable[[Name], object]] = [lambda one: one]
        if not several:
            spellings.append(lambda one: (one.schema, one.name))
        if left.engine is not right.engine and not several:
            spellings.append(lambda one: one.name)
        if dialect_of(left.engine).folds_tables or dialect_of(right.engine).folds_tables:
            spellings.append(lambda one: one.name.casefold())
        self._known: list[tuple[Callable[[Name], object], dict[object, list[Name]]]] = []
        for spelled in spellings:
            known: dict[object, list[Name]] = {}
            for name in theirs:
                known.setdefault(spelled(name), []).append(name)
            self._known.append((spelled, known))
        self._taken: set[Name] = set()

    def of(self, name: Name) -> Name | None:
        """The right table; None where there is none, or several might be meant."""
        for spelled, known in self._known:
            found = known.get(spelled(name), [])
            if len(found) == 1 and found[0] not in self._taken:
                self._taken.add(found[0])
                return found[0]
        return None


def _pair(
    sides: tuple[RowSide, RowSide], tables: tuple[RowTable, RowTable], key: Sequence[str], ignored: Sequence[str]
) -> Pair:
    """Two tables and the columns that both have, with the meaning that their values share."""
    (left, right), (one, other) = sides, tables
    theirs = {_folded(column.name, right.engine): column for column in other.columns}
    columns: list[str] = []
    meanings: list[Meaning] = []
    for column in one.columns:
        match = theirs.pop(_folded(column.name, right.engine), None)
        if match is not None and column.name not in ignored:
            columns.append(column.name)
            meanings.append(_meaning(left.engine, column, right.engine, match))
    left_extra = _extra(one, other, right.engine, ignored)
    right_extra = _extra(other, one, right.engine, ignored)
    wanted = tuple(key) or one.key or other.key
    return Pair(
        name=one.name if left.typed else other.name,
        left=one,
        right=other,
        columns=tuple(columns),
        meanings=tuple(meanings),
        key=_key_places(wanted, columns, one.name, bool(key)),
        left_extra=left_extra,
        right_extra=right_extra,
        untyped=left.typed is not right.typed,
    )


def _extra(one: RowTable, other: RowTable, engine: Engine | None, ignored: Sequence[str]) -> tuple[str, ...]:
    """Columns that only one table has; one that the other computes is no other's."""
    names = {_folded(name, engine) for name in (*(column.name for column in other.columns), *other.generated)}
    return tuple(
        column.name
        for column in one.columns
        if _folded(column.name, engine) not in names and column.name not in ignored
    )


def _key_places(key: Sequence[str], columns: Sequence[str], table: Name, given: bool) -> tuple[int, ...]:
    """Where the key's columns are among those that are compared; none where one of them isn't compared."""
    folded = [column.casefold() for column in columns]
    missing = [name for name in key if name.casefold() not in folded]
    if missing and given:
        raise NotFound(f"{table.label}: has no column {missing[0]!r} on both sides", f"it has: {', '.join(columns)}")
    return () if missing else tuple(folded.index(name.casefold()) for name in key)


def _folded(name: str, engine: Engine | None) -> str:
    """A column's name as an engine tells it from others; where no engine is known, without regard to case."""
    return name.casefold() if engine is None else dialect_of(engine).fold(name)


def _meaning(one: Engine | None, column: Column, other: Engine | None, match: Column) -> Meaning:
    """The meaning that both sides share; a side without types follows the other."""
    found = [
        dialect_of(engine).meaning(definition.type, definition.collation)
        for engine, definition in ((one, column), (other, match))
        if engine is not None and definition.type
    ]
    if not found:
        untyped = one is not None and one is other and not dialect_of(one).typed
        return Meaning.DYNAMIC if untyped else Meaning.TEXT
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
    Meaning.JSON, Meaning.DECIMAL, Meaning.MOMENT, Meaning.MOMENTS, Meaning.STAMP, Meaning.BOOLEAN, Meaning.FLOAT,
    Meaning.DYNAMIC, Meaning.BYTES, Meaning.INTEGER, Meaning.PADDED, Meaning.OBJECT,
)  # fmt: skip


def _check_ignored(pairs: Sequence[Pair], names: Sequence[str]) -> None:
    """Raises NotFound for a column that was to be left out and that no table has: it would be compared."""
    known = {column.name.casefold() for pair in pairs for table in (pair.left, pair.right) for column in table.columns}
    for name in names:
        if pairs and name.casefold() not in known:
            raise NotFound(f"no compared table has a column {name!r}", "check the name; the comparison was not made")

"""Finds the rows of paired tables that differ: by lines where both sides have them, else value by value."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from contextlib import ExitStack
from dataclasses import dataclass, field
from datetime import UTC, datetime
from functools import partial

from sospes.formats.opening import Opening
from sospes.model.entries import Name
from sospes.model.progress import Progress
from sospes.model.types import Meaning
from sospes.places.writing import nameless_file
from sospes.rows.canonical import NULL, canonical_cells
from sospes.rows.decoding import Row
from sospes.rows.digests import DigestStore, digest_rows, unlike
from sospes.rows.totals import Total
from sospes.work.compare.differences import Differences, Judging, Watch
from sospes.work.compare.lines import Lined, OddRows, Scratch, lined
from sospes.work.compare.pairing import Choice, Pair, Pairing
from sospes.work.compare.sides.opening import Reading
from sospes.work.compare.sides.protocol import RowPart, RowSide


@dataclass(frozen=True, slots=True, kw_only=True)
class Comparing:
    """How to compare.

    tables     names of the only tables to compare; all when empty
    key        columns that tell rows apart, in place of the primary key
    ignored    columns that are left out
    tolerance  by column, how far two numbers may be apart
    limit      how many differing rows to list
    hide       leave all values out of the result
    timeout_seconds  how long one statement on a live server may take
    gentle     leave half of the time of a live server to others
    drift_by   the column of live tables that says when a row was written
    written_at  when the backup was written, with a zone, where it doesn't say so itself
    rows_only   leave out what the sides define besides rows
    exact       compare the values' very text, and not what they mean
    totals      columns of numbers, as TABLE.COLUMN, whose control totals are wanted
    """

    opening: Opening
    tables: Sequence[str] = ()
    key: Sequence[str] = ()
    ignored: Sequence[str] = ()
    tolerance: dict[str, str] = field(default_factory=dict)
    limit: int = 20
    hide: bool = False
    timeout_seconds: int = 3600
    gentle: bool = False
    drift_by: str | None = None
    written_at: datetime | None = None
    rows_only: bool = False
    exact: bool = False
    totals: Sequence[str] = ()
    database: tuple[str, str] | None = None
    progress: Progress | None = None

    @property
    def choice(self) -> Choice:
        """Which tables are compared, and by what."""
        return Choice(tables=self.tables, key=self.key, ignored=self.ignored, database=self.database)


def reading(how: Comparing, tables: Sequence[str] | None) -> Reading:
    """How the sides are read; `tables` as for Reading."""
    return Reading(
        opening=how.opening, tables=tables, timeout_seconds=how.timeout_seconds, gentle=how.gentle,
        progress=how.progress,
    )  # fmt: skip


@dataclass(frozen=True, slots=True, kw_only=True)
class Matched:
    """One pair of tables: what both sides have, and the digests of the rows that may differ, None if none do.

    rows, totals  of the left and of the right side, of all rows
    sides         where the rows that may differ can be had of
    odd           the right one, where its rows come as lines
    """

    pair: Pair
    how: Comparing
    rows: tuple[int, int]
    totals: tuple[Sequence[Total], Sequence[Total]]
    sides: tuple[RowSide, RowSide]
    odd: OddRows | None
    live: bool
    digests: tuple[DigestStore, DigestStore] | None

    @property
    def drifted(self) -> Callable[[list[bytes]], bool] | None:
        """Whether a right row was written after the backup, by its own column; None where nobody can tell."""
        return _drifted(self.pair, self.how) if self.live else None

    def differences(self, watch: Watch | None = None) -> Differences | None:
        """The rows that differ; None if the lines are the same. `watch` hears of each."""
        if self.digests is None:
            return None
        pair, how, (left, right) = self.pair, self.how, self.sides
        judging = Judging(
            pair=pair,
            tolerance=how.tolerance,
            limit=how.limit,
            hide=how.hide,
            work_folder=how.opening.work_folder,
            drifted=self.drifted,
            watch=watch,
            whole_columns=partial(_whole_columns, self.odd, pair) if self.odd is not None else None,
        )
        differences = Differences(judging, unlike(*self.digests), *self.rows)
        if differences.needed:
            differences.run(
                lambda: _rows_of(left, pair.left.name, pair), lambda: _rows_of(right, pair.right.name, pair)
            )
        return differences


def matched(left: RowSide, right: RowSide, pairing: Pairing, how: Comparing, stack: ExitStack) -> Iterator[Matched]:
    """All pairs, in order."""
    lines = _lines(left, right, pairing, how, stack)
    odd = [pair for pair in pairing.pairs if pair.name in lines.pairs and not lines.pairs[pair.name].equal]
    others = [pair for pair in pairing.pairs if pair.name not in lines.pairs]
    # Tables whose lines differ are summed up by value from their odd lines alone, all others from all of their rows.
    sums = _summed_up((left, right), others, stack, how)
    if lines.sides is not None:
        sums |= _summed_up(lines.sides, odd, stack, how)
    for pair in pairing.pairs:
        found = sums.get(pair.name)
        both = lines.pairs.get(pair.name)
        totals: tuple[Sequence[Total], Sequence[Total]]
        if both is not None:
            rows = both.left.rows, both.right.rows
            one, other = both.totals
            names = [pair.columns[index] for index in pair.summed]
            totals = [one[name] for name in names], [other[name] for name in names]
        else:
            found = sums[pair.name]
            rows = found.left.digests.rows, found.right.digests.rows
            totals = found.left.totals, found.right.totals
        yield Matched(
            pair=pair, how=how, rows=rows, totals=totals, live=right.live,
            sides=found.sides if found is not None else (left, right),
            odd=lines.sides[1] if lines.sides is not None and both is not None else None,
            digests=(found.left.digests, found.right.digests) if found is not None else None,
        )  # fmt: skip


def _lines(left: RowSide, right: RowSide, pairing: Pairing, how: Comparing, stack: ExitStack) -> Lined:
    """What can be compared line by line: lines say the same only if all of their cells are compared."""
    whole = [pair for pair in pairing.pairs if not (pair.left_extra or pair.right_extra or how.ignored)]
    ours, theirs = left.as_lined(), right.as_lined()
    if ours is None or theirs is None:
        return Lined()
    return lined(ours, theirs, whole, Scratch(how.opening.work_folder, stack))


@dataclass(slots=True)
class _Sum:
    """One table on one side: its digests and its totals."""

    digests: DigestStore
    totals: list[Total]


@dataclass(frozen=True, slots=True)
class _Sums:
    """One pair of tables, summed up on both of the sides that were read for it."""

    sides: tuple[RowSide, RowSide]
    left: _Sum
    right: _Sum


def _summed_up(
    sides: tuple[RowSide, RowSide], pairs: Sequence[Pair], stack: ExitStack, how: Comparing
) -> dict[Name, _Sums]:
    """Sum up some pairs of tables, each side read once."""
    if not pairs:
        return {}
    mine = _summed(sides[0], {pair.left.name: pair for pair in pairs}, stack, how)
    theirs = _summed(sides[1], {pair.right.name: pair for pair in pairs}, stack, how)
    return {pair.name: _Sums(sides, mine[pair.left.name], theirs[pair.right.name]) for pair in pairs}


def _summed(side: RowSide, by_name: dict[Name, Pair], stack: ExitStack, how: Comparing) -> dict[Name, _Sum]:
    """Read all rows of a side's tables once."""
    file = stack.enter_context(nameless_file(how.opening.work_folder))
    sums = {name: _Sum(DigestStore(file), [Total() for _ in pair.summed]) for name, pair in by_name.items()}
    before: _Sum | None = None
    for part in side.parts(by_name.__contains__):
        pair, found = by_name.get(part.table), sums.get(part.table)
        if pair is None or found is None:
            continue
        if before is not None and before is not found:
            before.digests.flush()
        before = found
        rows = _chosen(part, pair)
        functions = pair.functions
        found.digests.add(digest_rows((canonical_cells(row, functions) for row in rows), pair.key))
        for index, total in zip(pair.summed, found.totals, strict=True):
            total.add([row[index] for row in rows])
        if how.progress is not None:
            how.progress(side.bytes_read, part.table.label, found.digests.rows)
    return sums


def _chosen(part: RowPart, pair: Pair) -> list[Row]:
    """The cells that both sides have, in the pair's order."""
    folded = [name.casefold() for name in part.columns]
    places = [
        part.columns.index(name) if name in part.columns else folded.index(name.casefold()) for name in pair.columns
    ]
    if places == list(range(len(part.columns))):
        return part.rows
    return [tuple(row[place] for place in places) for row in part.rows]


def _whole_columns(right: OddRows, pair: Pair, places: Sequence[int]) -> Iterator[list[list[bytes]]]:
    """Columns of all right rows, as they are compared: for each part of the table a list by column."""
    for part in right.cells(pair.right.name, [pair.columns[place] for place in places]):
        yield [_canonical(cells, pair, place) for cells, place in zip(part, places, strict=True)]


def _canonical(cells: list[bytes], pair: Pair, place: int) -> list[bytes]:
    function = pair.functions[place]
    if pair.meanings[place] is Meaning.INTEGER:
        return cells  # written in one way only
    return [
        (NULL if cell == NULL else cell)  # its escapes are those of canonical text
        if b"\\" in cell
        else function(cell.decode("utf-8", "replace"))
        for cell in cells
    ]


def _rows_of(side: RowSide, name: Name, pair: Pair) -> Iterator[Row]:
    """One table's rows, with the cells that both sides have."""
    for part in side.parts(lambda other: other == name):
        if part.table == name:
            yield from _chosen(part, pair)


def _drifted(pair: Pair, how: Comparing) -> Callable[[list[bytes]], bool] | None:
    """Whether a live row was written after the backup, by its own column; None without such a column."""
    if how.drift_by is None or how.written_at is None or how.drift_by not in pair.columns:
        return None
    place = pair.columns.index(how.drift_by)
    written = how.written_at

    def drifted(cells: list[bytes]) -> bool:
        try:
            stamp = datetime.fromisoformat(cells[place].decode())
        except ValueError:
            return False
        return (stamp if stamp.tzinfo else stamp.replace(tzinfo=UTC)) > written

    return drifted

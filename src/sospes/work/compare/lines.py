"""Rows that are lines on both sides: equal chunks of lines are passed over, and only odd lines are converted.

Both sides were cut into chunks and summed up while they were read for the first time. Of a table that differs, only
the chunks that the other side lacks are looked at again, line by line.
"""

from __future__ import annotations

import pickle
from collections.abc import Callable, Iterator, Mapping, Sequence
from contextlib import ExitStack
from dataclasses import dataclass, field
from pathlib import Path
from typing import IO

import numpy as np
from numpy.typing import NDArray

from sospes.engines.registry import dialect_of
from sospes.model.entries import Engine, Name
from sospes.model.errors import CannotCheck
from sospes.places.writing import nameless_file
from sospes.rows.copied import CopySum, CopySums, Totals, lines_batch, totals_of
from sospes.rows.digests import DigestStore, digest_lines, unlike
from sospes.rows.totals import Total
from sospes.work.compare.pairing import Pair
from sospes.work.compare.sides.protocol import BasicSide, LinedPart, LinedSide, RowPart, Wants

Keys = NDArray[np.uint64]
MOST_ASIDE = 256 << 20
"""Bytes of odd chunks that are set aside on disk, rather than read again."""

MOST_KEPT = 20_000
"""Odd lines that are kept in memory."""


class Aside:
    """Lines that were set aside, up to a limit; `over` once there were more."""

    def __init__(self, file: IO[bytes]) -> None:
        self._file = file
        self._bytes = 0
        self.over = False

    def add(self, table: Name, columns: tuple[str, ...], data: bytes) -> None:
        """Set some lines aside."""
        self._bytes += len(data)
        self.over = self.over or self._bytes > MOST_ASIDE
        if data and not self.over:
            pickle.dump((table, columns, data), self._file)

    def parts(self, wants: Wants) -> Iterator[LinedPart]:
        """What was set aside."""
        # One file holds the parts of all tables, and whoever takes them may use it in between.
        at, end = 0, self._file.seek(0, 2)
        while at < end:
            self._file.seek(at)  # whoever took the last part may have read here, too
            table, columns, data = pickle.load(self._file)
            at = self._file.tell()
            if wants(table):
                yield LinedPart(table, columns, lines_batch(data, len(columns)))


@dataclass(slots=True)
class OddRows(BasicSide):
    """A side without the rows whose lines the other side has as well.

    chunks  the keys of the chunks that the other side lacks, by table
    aside   those chunks, unless they are too many
    lines   the digests of the lines that stay, sorted, by table; None as long as that isn't known
    kept    those lines, once they were read, if they are few
    """

    side: LinedSide
    columns: Mapping[Name, tuple[str, ...]]
    chunks: dict[Name, Keys]
    file: IO[bytes]
    aside: Aside | None = None
    lines: dict[Name, Keys] | None = None
    kept: list[LinedPart] | None = None

    def __post_init__(self) -> None:
        """It goes by the side's name."""
        self.name, self.engine, self.tables = self.side.name, self.side.engine, self.side.tables

    @property
    def bytes_read(self) -> int:
        """Stored bytes of all passes of the side."""
        return self.side.bytes_read

    def parts(self, wants: Wants) -> Iterator[RowPart]:
        """The odd rows of the wanted tables."""
        for part in self.lined(wants):
            yield self.side.converted(part.table, part.columns, part.batch)

    def lined(self, wants: Wants) -> Iterator[LinedPart]:
        """The odd lines of the wanted tables."""
        if self.kept is None and self.lines is not None and sum(map(len, self.lines.values())) <= MOST_KEPT:
            self.kept = list(self._odd_lines(self.lines, self.lines.__contains__))
        if self.kept is not None:
            yield from (part for part in self.kept if wants(part.table))
        else:
            yield from self._odd_lines(self.lines or {}, wants)

    def _odd_lines(self, keys: Mapping[Name, Keys], wants: Wants) -> Iterator[LinedPart]:
        for part in self.odd(lambda name: name in keys and wants(name)):
            lines = part.batch.data.split(b"\n")[:-1]
            odd = np.flatnonzero(among(digest_lines(lines, None)["key"], keys[part.table]))
            if len(odd):
                data = b"".join([lines[index] + b"\n" for index in odd.tolist()])
                yield LinedPart(part.table, part.columns, lines_batch(data, len(part.columns)))

    def odd(self, wants: Wants) -> Iterator[LinedPart]:
        """The lines of the odd chunks."""
        if self.aside is not None and not self.aside.over:
            yield from self.aside.parts(wants)
            return
        missing = {name: keys for name, keys in self.chunks.items() if wants(name)}

        def is_odd(name: Name, keys: Keys) -> NDArray[np.bool_]:
            missing[name] = np.setdiff1d(missing[name], keys)
            return among(keys, self.chunks[name])

        yield from odd_parts(self.side.lined(wants, self.columns), self.file, is_odd)
        for name, keys in missing.items():
            if len(keys):
                raise CannotCheck(
                    f"{self.name}: rows of {name.label} came in another order the second time", "run this again"
                )

    def cells(self, table: Name, columns: Sequence[str]) -> Iterator[list[list[bytes]]]:
        """Columns of all rows, the equal ones as well, as they stand: for each part of the table a list by column."""
        for part in self.side.lined(lambda name: name == table, {table: tuple(columns)}):
            places = [part.columns.index(column) for column in columns]
            lines = part.batch.data.split(b"\n")[:-1]
            cuts = max(places) + 1
            cells = [line.split(b"\t", cuts) for line in lines]
            yield [[row[place] for row in cells] for place in places]


def among(values: Keys, known: Keys) -> NDArray[np.bool_]:
    """Which values are among the sorted ones."""
    if not len(known):
        return np.zeros(len(values), dtype=bool)
    places = np.minimum(np.searchsorted(known, values), len(known) - 1)
    found: NDArray[np.bool_] = known[places] == values
    return found


def odd_parts(
    parts: Iterator[LinedPart], file: IO[bytes], is_odd: Callable[[Name, Keys], NDArray[np.bool_]],
    sums: CopySums | None = None,
) -> Iterator[LinedPart]:  # fmt: skip
    """Of the chunks of some tables the odd ones. `sums`, if given, take in all of them."""
    sums = sums or CopySums(lambda _: True, file)
    before: LinedPart | None = None
    for part in parts:
        if before is not None and part.table != before.table and (ended := sums.end()) is not None:
            yield from _odd_of(before, ended.chunks, is_odd(before.table, ended.keys))
        sums.begin(part.table, part.columns, frozenset())
        found = sums.add(part.table, part.columns, part.batch)
        yield from _odd_of(part, found.chunks, is_odd(part.table, found.keys))
        before = part
    if before is not None and (ended := sums.end()) is not None:
        yield from _odd_of(before, ended.chunks, is_odd(before.table, ended.keys))


def _odd_of(part: LinedPart, chunks: Sequence[bytes | memoryview], odd: NDArray[np.bool_]) -> Iterator[LinedPart]:
    if odd.any():
        # Chunks end where a line's digest says so, on both sides alike: a row more leaves all others equal.
        data = b"".join([chunks[index] for index in np.flatnonzero(odd).tolist()])
        yield LinedPart(part.table, part.columns, lines_batch(data, len(part.columns)))


@dataclass(slots=True)
class LinedPair:
    """A table whose rows stand on both sides as COPY text under the same columns.

    totals  the control totals of each side
    """

    left: CopySum
    right: CopySum
    totals: tuple[dict[str, Total], dict[str, Total]]

    @property
    def equal(self) -> bool:
        """Whether both sides have the very same rows in nearly the same order."""
        return (self.left.rows, self.left.chunks.total) == (self.right.rows, self.right.chunks.total)


@dataclass(slots=True)
class Lined:
    """The pairs whose rows are lines, and the two sides to look at the odd ones."""

    pairs: dict[Name, LinedPair] = field(default_factory=dict)
    sides: tuple[OddRows, OddRows] | None = None


@dataclass(frozen=True, slots=True)
class Scratch:
    """Where digests and lines go that memory is too small for: nameless files in a folder, gone with the stack."""

    folder: Path | None
    stack: ExitStack

    def file(self) -> IO[bytes]:
        """A new file."""
        return self.stack.enter_context(nameless_file(self.folder))


def lined(left: LinedSide, right: LinedSide, pairs: Sequence[Pair], scratch: Scratch) -> Lined:
    """Tables whose rows are lines on both sides; of those, a live right side is read now."""
    if left.sums is None or not _same_lines(left.engine, right.engine):
        return Lined()
    ours = left.sums.found
    pairs = [pair for pair in pairs if _plain(ours.get(pair.left.name), pair)]
    file = scratch.file()
    aside: Aside | None = None
    if right.sums is None:
        aside = Aside(scratch.file())
        theirs = _live_sums(right, {pair.right.name: ours[pair.left.name] for pair in pairs}, file, aside)
    else:
        theirs = right.sums.found
    found = Lined()
    odd = []
    for pair in pairs:
        one, other = ours[pair.left.name], theirs.get(pair.right.name)
        if other is None or not other.plain or one.columns != other.columns:
            if other is not None or right.sums is not None:
                continue
            # A live table without rows gives no part at all, so nothing was summed up for it.
            other = CopySum(DigestStore(file), totals_of(frozenset()), one.columns)  # live has no rows
        totals = {pair.columns[index]: one.totals.of(pair.columns[index]) for index in pair.summed}
        found.pairs[pair.name] = LinedPair(one, other, (totals, totals))
        if not found.pairs[pair.name].equal:
            odd.append(pair)
    if odd:
        found.sides = _odd_sides((left, right), odd, found.pairs, aside, scratch)
    return found


def _same_lines(left: Engine | None, right: Engine | None) -> bool:
    """Whether both engines say the same values in the same words."""
    return left is not None and right is not None and dialect_of(left).says_alike(dialect_of(right))


def _plain(found: CopySum | None, pair: Pair) -> bool:
    """Whether a side's rows are lines, and the control totals that are needed are known."""
    if found is None or not found.plain:
        return False
    return {pair.columns[index] for index in pair.summed} <= found.totals.columns.keys()


def _live_sums(right: LinedSide, lefts: Mapping[Name, CopySum], file: IO[bytes], aside: Aside) -> dict[Name, CopySum]:
    """Read live tables, once; chunks that the left side lacks are set aside."""
    sums = CopySums(lefts.__contains__, file)
    keys: dict[Name, Keys] = {}

    def is_odd(name: Name, found: Keys) -> NDArray[np.bool_]:
        if name not in keys:
            # The left side's keys of one table are enough at a time; of a large one they take some megabytes.
            keys.clear()  # tables come one after the other
            keys[name] = lefts[name].keys()
        return ~among(found, keys[name])

    columns = {name: found.columns for name, found in lefts.items()}
    for part in odd_parts(right.lined(lefts.__contains__, columns), file, is_odd, sums):
        aside.add(part.table, part.columns, part.batch.data)
    return sums.found


def _odd_sides(
    sides: tuple[LinedSide, LinedSide],
    pairs: Sequence[Pair],
    lined_pairs: Mapping[Name, LinedPair],
    aside: Aside | None,
    scratch: Scratch,
) -> tuple[OddRows, OddRows]:
    """Find the lines that only one side has."""
    left, right = sides
    file = scratch.file()
    mine: dict[Name, Keys] = {}
    theirs: dict[Name, Keys] = {}
    repeated = False
    for pair in pairs:
        both = lined_pairs[pair.name]
        found = unlike(both.left.chunks, both.right.chunks)
        # Chunks that stand on both sides in other numbers: what was set aside has them once, so live is read again.
        repeated = repeated or bool(len(found.both))
        mine[pair.left.name] = np.sort(np.concatenate((found.left_only, found.both)))
        theirs[pair.right.name] = np.sort(np.concatenate((found.right_only, found.both)))
    columns = {pair.left.name: lined_pairs[pair.name].left.columns for pair in pairs}
    others = {pair.right.name: lined_pairs[pair.name].left.columns for pair in pairs}
    one = OddRows(left, columns, mine, file, _set_aside(left, mine, scratch))
    if right.sums is not None:
        aside = _set_aside(right, theirs, scratch)
    other = OddRows(right, others, theirs, file, None if repeated and right.sums is None else aside)
    _find_lines((one, other), pairs, lined_pairs, file)
    return one, other


def _set_aside(side: LinedSide, keys: Mapping[Name, Keys], scratch: Scratch) -> Aside | None:
    """The odd chunks of a backup, from where they stand; None where they can't be had so."""
    sums = side.sums.found if side.sums is not None else {}
    places = [(*place, name) for name, wanted in keys.items() if name in sums for place in sums[name].places(wanted)]
    places.sort(key=lambda place: place[0])
    if not all(sums[name].placed for name in keys if name in sums):
        return None
    # Too many odd chunks to keep: they are found once more by reading the backup a second time.
    if sum(last - first for first, last, _ in places) > MOST_ASIDE:
        return None
    slices = side.slices([(first, last) for first, last, _ in places])
    if slices is None:
        return None
    aside = Aside(scratch.file())
    for (_, _, name), data in zip(places, slices, strict=True):
        if not among(digest_lines([data], None)["key"], keys[name]).all():
            return None
        aside.add(name, sums[name].columns, data)
    return aside


def _find_lines(
    sides: tuple[OddRows, OddRows], pairs: Sequence[Pair], lined_pairs: Mapping[Name, LinedPair], file: IO[bytes]
) -> None:
    """Tell each side which of its lines the other one lacks, and find the right side's control totals by them."""
    stores: list[dict[Name, DigestStore]] = []
    for which, side in enumerate(sides):
        mine = {(pair.left, pair.right)[which].name: DigestStore(file) for pair in pairs}
        for part in side.odd(mine.__contains__):
            mine[part.table].add(digest_lines(part.batch.data.split(b"\n")[:-1], None))
        for store in mine.values():
            store.flush()
        stores.append(mine)
    found: tuple[dict[Name, Keys], dict[Name, Keys]] = ({}, {})
    for pair in pairs:
        odd = unlike(stores[0][pair.left.name], stores[1][pair.right.name])
        found[0][pair.left.name] = np.sort(np.concatenate((odd.left_only, odd.both)))
        found[1][pair.right.name] = np.sort(np.concatenate((odd.right_only, odd.both)))
    sides[0].lines, sides[1].lines = found
    gone, new = (_totals(side, [(pair.left, pair.right)[which].name for pair in pairs], pairs)
                 for which, side in enumerate(sides))  # fmt: skip
    for pair in pairs:
        both = lined_pairs[pair.name]
        left, out, into = both.totals[0], gone[pair.left.name], new[pair.right.name]
        both.totals = (left, {name: left[name].moved(out.of(name), into.of(name)) for name in left})


def _totals(side: OddRows, names: Sequence[Name], pairs: Sequence[Pair]) -> dict[Name, Totals]:
    """The control totals of a side's odd lines."""
    found = {
        name: totals_of(frozenset(pair.columns[index] for index in pair.summed))
        for name, pair in zip(names, pairs, strict=True)
    }
    for part in side.lined(found.__contains__):
        found[part.table].add(part.batch, part.columns)
    return found

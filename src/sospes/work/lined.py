"""Rows that are COPY text on both sides: equal ones are known by their lines, and only the others are converted."""

from __future__ import annotations

import pickle
import subprocess
import sys
from collections.abc import Callable, Iterator, Mapping, Sequence
from contextlib import ExitStack, suppress
from dataclasses import dataclass, field, replace
from pathlib import Path
from tempfile import TemporaryFile
from typing import IO, Protocol

import numpy as np
from numpy.typing import NDArray

from sospes.model.entries import Engine, Name
from sospes.model.errors import CannotCheck
from sospes.model.findings import Finding
from sospes.rows.copied import CopySum, same
from sospes.rows.digests import DigestStore, digest_lines, unlike
from sospes.work.pairing import Pair
from sospes.work.row_sides import BackupRows, LinedPart, LiveRows, RowPart, RowSide, RowTable, Wants

SECOND_PROCESS_AT = 32 << 20
"""Stored bytes of a backup from which on a second process reads it."""

MOST_KEPT = 20_000
"""Odd rows that are kept in memory, rather than read again."""


class LinedSide(RowSide, Protocol):
    """A side whose rows come as batches of text, too."""

    def lined(self, wants: Wants) -> Iterator[LinedPart]:
        """All rows of the wanted tables as they stand."""
        ...


@dataclass(frozen=True, slots=True)
class LinedPair:
    """A table whose rows stand on both sides as COPY text under the same columns; `equal` if they are the same."""

    left: CopySum
    right: CopySum
    equal: bool


def lined_pairs(
    left: RowSide, right: RowSide, pairs: Sequence[Pair], told: Callable[[int], None]
) -> dict[Name, LinedPair]:
    """Sum up, in a pass over each side, the tables whose rows are COPY text on both. `told` hears of progress."""
    if not isinstance(left, BackupRows) or not isinstance(right, BackupRows | LiveRows):
        return {}
    if {left.engine, right.engine} != {Engine.POSTGRESQL} or not pairs:
        return {}
    numbers = {pair.name: frozenset(pair.columns[index] for index in pair.summed) for pair in pairs}
    ours = {pair.left.name: CopySum(numbers[pair.name]) for pair in pairs}
    theirs = {pair.right.name: CopySum(frozenset()) for pair in pairs}
    with ExitStack() as stack:
        if isinstance(right, LiveRows):  # only a file can be read by a second process
            beside = _beside(left, ours, stack)
            _summed(right, theirs, told)
            ours = _answered(beside, left, ours, told)
        else:
            beside = _beside(right, theirs, stack)
            _summed(left, ours, told)
            theirs = _answered(beside, right, theirs, told)
    found = {}
    for pair in pairs:
        one, other = ours[pair.left.name], theirs[pair.right.name]
        if one.plain and other.plain and (one.columns == other.columns or None in {one.columns, other.columns}):
            found[pair.name] = LinedPair(one, other, same(one, other))
    return found


def _summed(side: LinedSide, sums: Mapping[Name, CopySum], told: Callable[[int], None]) -> None:
    for part in side.lined(sums.__contains__):
        if part.table in sums:
            sums[part.table].add(part.batch, part.columns)
        told(side.bytes_read)


def _beside(side: LinedSide, sums: dict[Name, CopySum], stack: ExitStack) -> subprocess.Popen[bytes] | None:
    """A second process that sums a large backup up; None where this process does it."""
    if not isinstance(side, BackupRows) or not side.path.is_file() or side.path.stat().st_size < SECOND_PROCESS_AT:
        return None
    child = stack.enter_context(
        subprocess.Popen(
            [sys.executable, "-c", _CHILD],
            stdin=subprocess.PIPE, stdout=subprocess.PIPE, start_new_session=True,
        )
    )  # fmt: skip
    stack.callback(child.kill)
    if child.stdin is not None:
        with suppress(BrokenPipeError), child.stdin:  # one that ended gives no answer either
            pickle.dump((side.path, replace(side.opening, stdin=None, wants=None), sums), child.stdin)
    return child


def _answered(
    child: subprocess.Popen[bytes] | None, side: LinedSide, sums: dict[Name, CopySum], told: Callable[[int], None]
) -> dict[Name, CopySum]:
    """What the second process found, or this one finds. Raises CannotCheck if the second one was killed."""
    if child is None:
        _summed(side, sums, told)
        return sums
    answer = child.stdout.read() if child.stdout is not None else b""
    if child.wait() or not answer:
        raise CannotCheck(
            f"{side.name}: the process that reads it ended", "check this machine's memory; run this again"
        )
    found: tuple[dict[Name, CopySum], list[Finding]] = pickle.loads(answer)
    side.findings += [finding for finding in found[1] if finding not in side.findings]
    return found[0]


_CHILD = "import sys; from sospes.work.lined import sum_for_parent as f; f(sys.stdin.buffer, sys.stdout.buffer)"


def sum_for_parent(asked: IO[bytes], answer: IO[bytes]) -> None:
    """What the second process does: it is asked and answers through pipes."""
    path, opening, sums = pickle.load(asked)
    side = BackupRows(path, opening, lambda _: True, definitions=False)
    _summed(side, sums, lambda _: None)
    pickle.dump((sums, side.findings), answer)


@dataclass(slots=True)
class OddRows:
    """A side without the rows whose lines the other side has as well.

    keys  the digests of the lines that stay, sorted, by table
    kept  the odd rows, once they were read, if they are few
    """

    side: LinedSide
    keys: dict[Name, NDArray[np.uint64]]
    name: str = ""
    engine: Engine | None = None
    tables: dict[Name, RowTable] = field(default_factory=dict)
    findings: list[Finding] = field(default_factory=list)
    kept: list[RowPart] | None = None

    def __post_init__(self) -> None:
        """It goes by the side's name."""
        self.name, self.engine, self.tables = self.side.name, self.side.engine, self.side.tables

    @property
    def bytes_read(self) -> int:
        """Stored bytes of all passes of the side."""
        return self.side.bytes_read

    def parts(self, wants: Wants) -> Iterator[RowPart]:
        """The odd rows of the wanted tables."""
        if self.kept is None and sum(map(len, self.keys.values())) <= MOST_KEPT:
            self.kept = list(self._read(self.keys.__contains__))
        yield from (part for part in self.kept if wants(part.table)) if self.kept is not None else self._read(wants)

    def _read(self, wants: Wants) -> Iterator[RowPart]:
        for part in self.side.lined(lambda name: name in self.keys and wants(name)):
            lines = part.batch.data.split(b"\n")[:-1]
            odd = np.flatnonzero(_among(digest_lines(lines, None)["key"], self.keys[part.table]))
            if len(odd):
                data = b"".join([lines[index] + b"\n" for index in odd.tolist()])
                yield part.convert(replace(part.batch, data=data, rows=len(odd), ends=None, skipped=()))

    def cells(self, table: Name, column: str) -> Iterator[bytes]:
        """One column's cells of all rows, the equal ones as well, as they stand."""
        for part in self.side.lined(lambda name: name == table):
            place = part.columns.index(column)
            cuts = place + 1
            yield from [line.split(b"\t", cuts)[place] for line in part.batch.data.split(b"\n")[:-1]]


def _among(values: NDArray[np.uint64], known: NDArray[np.uint64]) -> NDArray[np.bool_]:
    """Which values are among the sorted ones."""
    if not len(known):
        return np.zeros(len(values), dtype=bool)
    places = np.minimum(np.searchsorted(known, values), len(known) - 1)
    found: NDArray[np.bool_] = known[places] == values
    return found


def odd_sides(
    sides: tuple[LinedSide, LinedSide], pairs: Sequence[Pair], sums: Mapping[Name, LinedPair], folder: Path | None
) -> tuple[OddRows, OddRows]:
    """Find the lines that only one side has, a pass over each; the right sums get their totals."""
    with ExitStack() as stack:
        stores = []
        for which, side in enumerate(sides):
            names = {(pair.left, pair.right)[which].name: pair for pair in pairs}
            mine = {name: DigestStore(stack.enter_context(TemporaryFile(dir=folder))) for name in names}
            for pair in names.values() if which else ():
                sums[pair.name].right.sum_up(sums[pair.name].left.summed)
            for part in side.lined(names.__contains__):
                mine[part.table].add(digest_lines(part.batch.data.split(b"\n")[:-1], None))
                if which:
                    sums[names[part.table].name].right.add_totals(part.batch, part.columns)
            stores.append(mine)
        left_keys, right_keys = {}, {}
        for pair in pairs:
            found = unlike(stores[0][pair.left.name], stores[1][pair.right.name])
            left_keys[pair.left.name] = np.sort(np.concatenate((found.left_only, found.both)))
            right_keys[pair.right.name] = np.sort(np.concatenate((found.right_only, found.both)))
    return OddRows(sides[0], left_keys), OddRows(sides[1], right_keys)

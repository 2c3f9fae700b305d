"""Rows as lines of COPY text, cut into chunks: with one text for one value, equal chunks mean equal rows.

The chunks of a table are known by their digests and, where they stand in one piece, by their places.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass, field
from typing import IO

import numpy as np
from numpy.typing import NDArray

from sospes.model.entries import Name
from sospes.model.events import Batch, Notation
from sospes.rows.chunks import Cutter
from sospes.rows.digests import DigestStore, digest_lines
from sospes.rows.totals import Total
from sospes.rows.typed.cells import ColumnsOf
from sospes.rows.typed.sums import ColumnTotal

Chunk = bytes | memoryview


def lines_batch(data: bytes, width: int, plain_from: int = 0) -> Batch:
    """Whole lines of COPY text in UTF-8; nobody knows which rows they are, so the first one's number is 0."""
    return Batch(
        notation=Notation.COPY, data=data, rows=data.count(b"\n"), width=width, encoding="utf-8", first_row=0,
        plain_from=plain_from, plain_to=plain_from + len(data), line=0,
    )  # fmt: skip


@dataclass(slots=True)
class Totals:
    """Control totals of some columns, added up over rows as they stand."""

    columns: dict[str, ColumnTotal]

    def add(self, batch: Batch, columns: tuple[str, ...]) -> None:
        """Take in the numbers of some rows."""
        if self.columns:
            cells = ColumnsOf(batch)
            for name, total in self.columns.items():
                total.add(cells.column(columns.index(name)))

    def of(self, column: str) -> Total:
        """A column's control total, in the shape of those that are counted value by value."""
        found = self.columns[column]
        return Total(values=found.values, nulls=found.nulls, strange=found.strange, fraction=found.sum)


def totals_of(columns: frozenset[str]) -> Totals:
    """Totals of these columns of numbers, of no rows yet."""
    return Totals({name: ColumnTotal(summed=True) for name in sorted(columns)})


@dataclass(frozen=True, slots=True)
class Chunked:
    """Chunks of lines, and for each the key of its digest."""

    chunks: list[Chunk]
    keys: NDArray[np.uint64]


@dataclass(slots=True)
class CopySum:
    """Rows of one table on one side.

    chunks   the digests of their chunks
    columns  the cells' names, in order
    plain    whether all of them were COPY text in UTF-8 under the same columns
    placed   whether the chunks stand in the plain text as they are
    """

    chunks: DigestStore
    totals: Totals
    columns: tuple[str, ...]
    plain: bool = True
    placed: bool = True
    rows: int = 0
    _keys: list[NDArray[np.uint64]] = field(default_factory=list)
    _starts: list[NDArray[np.int64]] = field(default_factory=list)
    _sizes: list[NDArray[np.uint32]] = field(default_factory=list)
    _cutter: Cutter = field(default_factory=Cutter)
    _next: int = 0

    def add(self, batch: Batch, columns: tuple[str, ...]) -> Chunked:
        """Take in some rows; gives the chunks that became whole."""
        self.plain = self.plain and batch.notation is Notation.COPY and self.columns == columns and bool(batch.width)
        self.plain = self.plain and (batch.encoding == "utf-8" or batch.data.isascii())
        if not self.plain:
            return self._taken([], 0)
        self.rows += batch.rows
        self.totals.add(batch, columns)
        before = self.end() if batch.plain_from != self._next else self._taken([], 0)
        start = batch.plain_from - self._cutter.waiting
        self._next = batch.plain_to
        self.placed = self.placed and batch.plain_to - batch.plain_from == len(batch.data)
        found = self._taken(self._cutter.cut(batch.data, None if batch.ends is None else batch.ends[:, -1] + 1), start)
        return Chunked([*before.chunks, *found.chunks], np.concatenate((before.keys, found.keys)))

    def end(self) -> Chunked:
        """The rows end, or go on elsewhere: what is left is a chunk."""
        start = self._next - self._cutter.waiting
        return self._taken(self._cutter.last(), start)

    def _taken(self, chunks: list[Chunk], start: int) -> Chunked:
        digests = digest_lines(chunks, None)
        keys = digests["key"].copy()
        if chunks:
            sizes = np.array([len(chunk) for chunk in chunks], dtype=np.uint32)
            self.chunks.add(digests)
            self._keys.append(keys)
            self._sizes.append(sizes)
            self._starts.append(start + np.cumsum(sizes, dtype=np.int64) - sizes)
        return Chunked(chunks, keys)

    def keys(self) -> NDArray[np.uint64]:
        """The keys of all chunks, sorted."""
        return np.sort(np.concatenate(self._keys)) if self._keys else np.empty(0, dtype=np.uint64)

    def places(self, keys: NDArray[np.uint64]) -> Iterator[tuple[int, int]]:
        """From where to where the chunks with these keys stand in the plain text, in order."""
        if self._keys:
            wanted = np.flatnonzero(np.isin(np.concatenate(self._keys), keys))
            starts, sizes = np.concatenate(self._starts)[wanted], np.concatenate(self._sizes)[wanted]
            yield from zip(starts.tolist(), (starts + sizes).tolist(), strict=True)


class CopySums:
    """The sums of the tables of one side that are `wanted`, but for those that turn out to have no lines.

    The digests of all of them share `file`. Control totals are added up `with_totals`.
    """

    def __init__(self, wanted: Callable[[Name], bool], file: IO[bytes], *, with_totals: bool = False) -> None:
        self.found: dict[Name, CopySum] = {}
        self._wanted, self._file = wanted, file
        self._current: Name | None = None
        self._with_totals = with_totals
        self._off: set[Name] = set()

    def wants(self, name: Name) -> bool:
        """Whether the rows of a table are to come."""
        return name not in self._off and self._wanted(name)

    def begin(self, table: Name, columns: tuple[str, ...], summed: frozenset[str]) -> None:
        """Rows of a table follow; `summed` are its columns of numbers."""
        if table != self._current:
            self.end()
            self._current = table
        if table not in self.found:
            totals = totals_of(summed & frozenset(columns) if self._with_totals else frozenset())
            self.found[table] = CopySum(DigestStore(self._file), totals, columns)

    def add(self, table: Name, columns: tuple[str, ...], batch: Batch) -> Chunked:
        """Take in some rows of the table that began last. Gives the chunks that became whole."""
        return self.found[table].add(batch, columns)

    def give_up(self, table: Name) -> None:
        """The rows of a table can't be had as lines."""
        self._off.add(table)
        self.found[table].plain = False

    def end(self) -> Chunked | None:
        """The rows of the current table end."""
        if self._current is None:
            return None
        found = self.found[self._current]
        chunks = found.end()
        found.chunks.flush()
        return chunks

    def keep_in(self, file: IO[bytes]) -> None:
        """Let the digests be in this file, which has what the other one had."""
        self._file = file
        for found in self.found.values():
            found.chunks.file = file

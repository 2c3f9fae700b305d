"""Sums over rows of COPY text as they stand: with one text for one value, equal sums mean equal rows."""

from __future__ import annotations

from dataclasses import dataclass, field

from sospes.model.events import Batch, Notation
from sospes.rows.digests import MODULUS, sum_of_lines
from sospes.rows.totals import Total
from sospes.rows.typed.cells import ColumnsOf
from sospes.rows.typed.sums import ColumnTotal


@dataclass(slots=True)
class CopySum:
    """Rows of one table on one side.

    columns  the cells' names, in order; None before the first rows
    plain    whether all of them were COPY text in UTF-8 under the same columns
    total    the sum of the lines' digests, modulo 2^128
    """

    summed: frozenset[str]
    columns: tuple[str, ...] | None = None
    plain: bool = True
    rows: int = 0
    total: int = 0
    totals: dict[str, ColumnTotal] = field(default_factory=dict)

    def add(self, batch: Batch, columns: tuple[str, ...]) -> None:
        """Take in some rows."""
        if self.columns is None:
            self.columns = columns
            self.sum_up(self.summed)
        self.plain = self.plain and batch.notation is Notation.COPY and self.columns == columns and bool(batch.width)
        self.plain = self.plain and (batch.encoding == "utf-8" or batch.data.isascii())
        if not self.plain:
            return
        self.rows += batch.rows
        self.total = (self.total + sum_of_lines(batch.data.split(b"\n")[:-1])) % MODULUS
        self.add_totals(batch, columns)

    def add_totals(self, batch: Batch, columns: tuple[str, ...]) -> None:
        """Take in the numbers of some rows."""
        if self.totals:
            cells = ColumnsOf(batch)
            for name, total in self.totals.items():
                total.add(cells.column(columns.index(name)))

    def sum_up(self, names: frozenset[str]) -> None:
        """From now on, add up the numbers of these columns."""
        self.totals = {name: ColumnTotal(summed=True) for name in self.columns or () if name in names}

    def total_of(self, column: str) -> Total:
        """A column's control total, in the shape of those that are counted value by value."""
        found = self.totals.get(column)
        if found is None:
            return Total()
        return Total(values=found.values, nulls=found.nulls, strange=found.strange, fraction=found.sum)

    @property
    def hexadecimal(self) -> str:
        """The sum of all digests as text."""
        return f"{self.total:032x}"


def same(one: CopySum | None, other: CopySum | None) -> bool:
    """Whether two sides have the very same rows, in any order."""
    if one is None or other is None or not (one.plain and other.plain):
        return False
    empty = one.columns is None and other.columns is None
    return empty or (one.columns, one.rows, one.total) == (other.columns, other.rows, other.total)

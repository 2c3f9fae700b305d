"""Control totals: what a person would check by hand, column by column, in exact arithmetic."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from decimal import Context, Decimal, InvalidOperation

from sospes.model.events import Held
from sospes.model.types import Meaning

SUMMED = frozenset({Meaning.INTEGER, Meaning.DECIMAL})
EXACT = Context(prec=2000)


def finite_number(cell: str | bytes) -> Decimal | None:
    """The number that a text is; None for NaN, infinities and what is no number."""
    try:
        number = Decimal(cell if isinstance(cell, str) else cell.decode("ascii"))
    except (InvalidOperation, UnicodeDecodeError):
        return None
    return number if number.is_finite() else None


@dataclass(slots=True)
class Total:
    """The total of one column on one side; NaN and infinities are counted, not added."""

    values: int = 0
    nulls: int = 0
    strange: int = 0
    whole: int = 0
    fraction: Decimal = Decimal(0)

    def add(self, cells: Sequence[Held]) -> None:
        """Take in the column's cells of some rows."""
        for cell in cells:
            if cell is None:
                self.nulls += 1
            elif isinstance(cell, int):
                self.whole += cell
                self.values += 1
            else:
                self._add_text(cell)

    def _add_text(self, cell: str | bytes) -> None:
        number = finite_number(cell)
        if number is None:
            self.strange += 1
        else:
            self.fraction = EXACT.add(self.fraction, number)
            self.values += 1

    def moved(self, gone: Total, new: Total) -> Total:
        """The total with some values taken out and others put in."""
        return Total(
            values=self.values - gone.values + new.values,
            nulls=self.nulls - gone.nulls + new.nulls,
            strange=self.strange - gone.strange + new.strange,
            whole=self.whole - gone.whole + new.whole,
            fraction=EXACT.add(EXACT.subtract(self.fraction, gone.fraction), new.fraction),
        )

    @property
    def sum(self) -> str:
        """The exact sum as text."""
        total = EXACT.add(self.fraction, Decimal(self.whole))
        return format(total, "f")


@dataclass(frozen=True, slots=True, kw_only=True)
class TotalPair:
    """A column's totals on both sides, sums as exact text."""

    column: str
    left_sum: str
    right_sum: str
    left_nulls: int
    right_nulls: int
    same: bool


def paired(column: str, left: Total, right: Total) -> TotalPair:
    """Both sides of a column's totals."""
    return TotalPair(
        column=column,
        left_sum=left.sum,
        right_sum=right.sum,
        left_nulls=left.nulls,
        right_nulls=right.nulls,
        same=(Decimal(left.sum), left.nulls, left.strange) == (Decimal(right.sum), right.nulls, right.strange),
    )

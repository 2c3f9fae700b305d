"""Exact control totals of whole columns: sums of numbers, oldest and newest time."""

from __future__ import annotations

from dataclasses import dataclass
from decimal import Decimal

import numpy as np

from sospes.rows.totals import EXACT, finite_number
from sospes.rows.typed.cells import Bytes, Cells

_FAST_DIGITS = 18
"""Digits that fit into 64 bits."""
_HALF = 10**9
_MOST_PLACES = 60
_MINUS, _POINT, _ZERO = (np.uint8(ord(letter)) for letter in "-.0")


@dataclass(slots=True)
class ColumnTotal:
    """The control total of one column: exact sum of its numbers, or its lowest and highest text.

    strange  values that are no finite number
    """

    summed: bool
    values: int = 0
    nulls: int = 0
    strange: int = 0
    sum: Decimal = Decimal(0)
    lowest: bytes | None = None
    highest: bytes | None = None

    def add(self, cells: Cells) -> None:
        """Take in the cells of a batch."""
        self.nulls += int(cells.null.sum())
        if self.summed and self._by_places(cells):
            return
        for rows, matrix in cells.groups():
            if not self.summed:
                self._range(cells, rows.tolist(), matrix)
            elif matrix is None or not self._fast(matrix):
                for row in rows.tolist():
                    self._slow(cells.text(row))

    def _by_places(self, cells: Cells) -> bool:
        """Plain numbers of one scale, added up digit by digit from their ends; False if some are no such numbers."""
        starts, ends = cells.starts, cells.ends
        if cells.null.any():
            starts, ends = starts[~cells.null], ends[~cells.null]
        if not len(starts):
            return True
        lengths = ends - starts
        shortest, longest = int(lengths.min()), int(lengths.max())
        if not shortest or longest > _MOST_PLACES:
            return False
        negative = np.flatnonzero(cells.values[starts] == _MINUS)
        if len(negative) and int(lengths[negative].min()) == 1:
            return False
        total, scale, digits = 0, 0, 0
        for place in range(longest):
            figures = cells.values.take(ends - (place + 1), mode="clip")
            if place + 1 >= shortest and len(negative):
                figures[negative[lengths[negative] == place + 1]] = _ZERO
            if place >= shortest:
                figures[lengths <= place] = _ZERO
            elif not scale and place and figures[0] == _POINT:
                if not bool((figures == _POINT).all()) or int(lengths[negative].min(initial=longest)) < place + 2:
                    return False
                scale = place
                continue
            figures -= _ZERO
            if int(figures.max()) > 9:
                return False
            sum_of_place = int(figures.sum(dtype=np.int64))
            if len(negative):
                sum_of_place -= 2 * int(figures[negative].sum(dtype=np.int64))
            total += sum_of_place * 10**digits
            digits += 1
        self.sum = EXACT.add(self.sum, Decimal(total).scaleb(-scale, EXACT))
        self.values += len(starts)
        return True

    def _fast(self, matrix: Bytes) -> bool:
        """Numbers that all have their sign and point at the same places; False if they haven't."""
        first = matrix[:, 0]
        negative, point = bool(len(first)) and first[0] == 45, np.flatnonzero(first == 46)
        digits = [place for place in range(int(negative), len(first)) if place not in point]
        if not digits or len(point) > 1 or len(digits) > _FAST_DIGITS:
            return False
        if len(point) and not bool((matrix[point[0]] == 46).all()):
            return False
        if negative and not bool((matrix[0] == 45).all()):
            return False
        total = np.zeros(matrix.shape[1], dtype=np.int64)
        for place in digits:
            figure = matrix[place] - np.uint8(48)
            if int(figure.max()) > 9:
                return False
            total = total * 10 + figure
        whole = int((total // _HALF).sum()) * _HALF + int((total % _HALF).sum())
        scale = len(first) - 1 - int(point[0]) if len(point) else 0
        number = Decimal(-whole if negative else whole).scaleb(-scale, EXACT)
        self.sum = EXACT.add(self.sum, number)
        self.values += matrix.shape[1]
        return True

    def _slow(self, cell: bytes) -> None:
        number = finite_number(cell)
        if number is None:
            self.strange += 1
        else:
            self.sum = EXACT.add(self.sum, number)
            self.values += 1

    def _range(self, cells: Cells, rows: list[int], matrix: Bytes | None) -> None:
        """Lowest and highest text, which for times written in one way is oldest and newest."""
        self.values += len(rows)
        if matrix is None or not len(matrix):
            return
        left = np.arange(len(rows))
        right = left
        for column in matrix:
            if len(left) > 1:
                left = left[column[left] == column[left].min()]
            if len(right) > 1:
                right = right[column[right] == column[right].max()]
        low, high = cells.text(rows[int(left[0])]), cells.text(rows[int(right[0])])
        self.lowest = low if self.lowest is None else min(self.lowest, low)
        self.highest = high if self.highest is None else max(self.highest, high)

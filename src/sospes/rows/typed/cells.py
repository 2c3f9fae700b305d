"""The cells of one column in a batch, as offsets into its bytes, and as matrices of equally long ones."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from sospes.model.events import Batch, Notation

Bytes = NDArray[np.uint8]
Offsets = NDArray[np.int64]
Mask = NDArray[np.bool_]

LONGEST = 1 << 12
"""Cells up to this many bytes are laid side by side; longer ones are looked at one by one."""

_QUOTE = 39


@dataclass(frozen=True, slots=True)
class Cells:
    """Cells of one column: offsets of their bytes, without quotes; which are NULL, and which stood in quotes.

    `starts`, `ends`, `null` and `quoted` have one element for each row.
    """

    data: bytes
    values: Bytes
    starts: Offsets
    ends: Offsets
    null: Mask
    quoted: Mask

    def text(self, row: int) -> bytes:
        """The bytes of one cell."""
        return self.data[int(self.starts[row]) : int(self.ends[row])]

    def groups(self) -> Iterator[tuple[Offsets, Bytes | None]]:
        """Rows that aren't NULL, grouped by length: their indexes, and their bytes, shape (length, rows).

        Cells longer than LONGEST come as one group without a matrix.
        """
        present = np.flatnonzero(~self.null) if self.null.any() else np.arange(len(self.starts))
        if not len(present):
            return
        lengths = np.minimum((self.ends - self.starts)[present], LONGEST + 1).astype(np.uint16)
        counts = np.bincount(lengths)
        found = np.flatnonzero(counts)
        order = present[np.argsort(lengths, kind="stable")] if len(found) > 1 else present
        first = 0
        for length in found.tolist():
            rows = order[first : first + int(counts[length])]
            first += len(rows)
            yield rows, None if length > LONGEST else self._matrix(self.starts[rows], length)

    def _matrix(self, starts: Offsets, length: int) -> Bytes:
        matrix = np.empty((length, len(starts)), dtype=np.uint8)
        for place in range(length):
            self.values.take(starts + place, out=matrix[place], mode="clip")  # never beyond: cells lie inside
        return matrix


class ColumnsOf:
    """The columns of a batch of COPY text or of literals."""

    def __init__(self, batch: Batch) -> None:
        self._data = batch.data
        self._copy = batch.notation is Notation.COPY
        self._values = np.frombuffer(batch.data, dtype=np.uint8)
        if batch.starts is not None and batch.ends is not None:
            self._starts, self._ends = batch.starts, batch.ends
            return
        if batch.ends is not None:
            self._ends = batch.ends
        else:
            marks = np.flatnonzero((self._values == 9) | (self._values == 10))
            self._ends = marks.reshape(batch.rows, batch.width)
        self._starts = np.concatenate(([0], self._ends.ravel()[:-1] + 1)).reshape(batch.rows, batch.width)

    def column(self, index: int) -> Cells:
        """The cells of the column with that index."""
        starts, ends = self._starts[:, index], self._ends[:, index]
        if self._copy:
            return self._copy_cells(starts, ends)
        return self._literals(starts, ends)

    def flat(self) -> Cells:
        """All cells, row by row, as those of one column."""
        starts, ends = self._starts.ravel(), self._ends.ravel()
        return self._copy_cells(starts, ends) if self._copy else self._literals(starts, ends)

    def _copy_cells(self, starts: Offsets, ends: Offsets) -> Cells:
        null = ends - starts == 2
        if null.any():
            null &= (self._values[starts] == 92) & (self._values[np.minimum(starts + 1, len(self._values) - 1)] == 78)
        return Cells(self._data, self._values, starts, ends, null, np.zeros(len(starts), dtype=np.bool_))

    def _literals(self, starts: Offsets, ends: Offsets) -> Cells:
        """Literals without the blanks around them and without plain quotes."""
        values = self._values
        for _ in range(8):  # servers write one blank at most
            blank = (starts < ends) & (values[np.minimum(starts, len(values) - 1)] <= 32)
            if not blank.any():
                break
            starts = starts + blank
        for _ in range(8):
            blank = (starts < ends) & (values[np.maximum(ends - 1, 0)] <= 32)
            if not blank.any():
                break
            ends = ends - blank
        quoted = (ends - starts >= 2) & (values[starts] == _QUOTE) & (values[np.maximum(ends - 1, 0)] == _QUOTE)
        null = ~quoted & (ends - starts == 4)
        if null.any():
            rows = np.flatnonzero(null)
            null[rows] = [self._data[starts[row] : ends[row]].upper() == b"NULL" for row in rows]
        return Cells(self._data, values, starts + quoted, ends - quoted, null, quoted)

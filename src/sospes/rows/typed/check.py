"""Checks the values of batches against their columns' types, and says which are wrong."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from sospes.model.entries import Column
from sospes.model.events import Batch, Notation
from sospes.rows.typed.cells import Cells, ColumnsOf, Mask
from sospes.rows.typed.kinds import Kind
from sospes.rows.typed.plan import Planned

FEW = 8
"""Rows that are looked at one by one, as laying them side by side would take longer."""

_COPY_ESCAPE = re.compile(rb"\\(x[0-9a-fA-F]{1,2}|[0-7]{1,3}|.)", re.S)
_COPY_SAID = {b"b": b"\b", b"f": b"\f", b"n": b"\n", b"r": b"\r", b"t": b"\t", b"v": b"\v"}
_QUOTED_ESCAPE = re.compile(rb"''|\\(.)", re.S)
_QUOTED_SAID = {b"0": b"\0", b"n": b"\n", b"r": b"\r", b"t": b"\t", b"b": b"\b", b"Z": b"\x1a"}
_OTHER_LITERAL = re.compile(
    rb"(?:0x[\da-fA-F]*|[xXbB]'|[eE]'|_\w+\s*['xX0bB]|default$|array\s*\[|[a-z_][\w.]*\s*\(|\(|"
    rb"[a-z]+\s*'|.*::|current_\w+$)",
    re.I | re.S,
)


_NUMBER = re.compile(rb"[-+]?[\d.]+(?:e[-+]?\d+)?|true|false", re.I)


@dataclass(frozen=True, slots=True)
class BadValue:
    """A value that is none of its column's type; `row` and `column` count from 0 in the batch."""

    row: int
    column: int
    cell: bytes
    problem: str


def bad_values(batch: Batch, columns: Sequence[Column], planned: Sequence[Planned]) -> Iterator[BadValue]:
    """All values of a batch that are wrong, column by column."""
    if batch.notation is Notation.RECORDS or batch.width != len(columns) or not batch.width:
        return
    cells_of = ColumnsOf(batch)
    for index, (column, plan) in enumerate(zip(columns, planned, strict=True)):
        if plan.kind is None and not column.not_null:
            continue
        cells = cells_of.column(index)
        if column.not_null and not column.generated:
            for row in np.flatnonzero(cells.null).tolist():
                yield BadValue(row, index, b"", f"is NULL, and column {column.name} takes no NULL")
        if plan.kind is not None:
            problem = f"is no value of column {column.name}, {column.type}"
            for row in _wrong(cells, plan.kind, batch.notation):
                yield BadValue(row, index, cells.text(row), problem)


def _wrong(cells: Cells, kind: Kind, notation: Notation) -> Iterator[int]:
    if len(cells.starts) <= FEW:
        null = cells.null.tolist()
        yield from (row for row in range(len(null)) if not null[row] and not _valid(cells, row, kind, notation))
        return
    for rows, matrix in cells.groups():
        if matrix is None:
            wrong = rows[[not _valid(cells, row, kind, notation) for row in rows.tolist()]]
        else:
            suspicious: Mask = ~kind.valid_all(matrix)
            if not suspicious.any():
                continue
            wrong = np.array([row for row in rows[suspicious].tolist() if not _valid(cells, row, kind, notation)])
        yield from wrong.tolist()


def _valid(cells: Cells, row: int, kind: Kind, notation: Notation) -> bool:
    """Whether one value is right, once its escapes are read; literals of other notations are left alone."""
    cell = cells.text(row)
    if kind.valid(cell):
        return True
    if notation is Notation.COPY:
        return b"\\" in cell and kind.valid(_COPY_ESCAPE.sub(_copy_said, cell))
    if not cells.quoted[row]:
        return _OTHER_LITERAL.match(cell) is not None or _NUMBER.fullmatch(cell) is None  # told by the reader
    if notation is Notation.MARIADB:
        return kind.valid(_QUOTED_ESCAPE.sub(_quoted_said, cell))
    return b"''" in cell and kind.valid(cell.replace(b"''", b"'"))


def _copy_said(match: re.Match[bytes]) -> bytes:
    said = match[1]
    if said[:1] == b"x" and len(said) > 1:
        return bytes([int(said[1:], 16)])
    return bytes([int(said, 8) & 255]) if said[:1] in b"01234567" else _COPY_SAID.get(said, said)


def _quoted_said(match: re.Match[bytes]) -> bytes:
    return b"'" if match[1] is None else _QUOTED_SAID.get(match[1], match[1])

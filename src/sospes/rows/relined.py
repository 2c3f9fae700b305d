"""Rows of INSERT statements as lines of COPY text, so that rows of all forms are passed over where they are equal.

A line says what the row says, in the one way that `as_lines` and a server's own text of a row (`live`) have in common;
rows that say the same in other words give other lines, and are looked at value by value.
"""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from sospes.model.events import Batch, Notation
from sospes.model.types import Hold
from sospes.rows.decoding import literal
from sospes.rows.typed.cells import ColumnsOf

_RAW = re.compile(rb"[\b\t\n\v\f\r\\]")
_FEW_RAW = re.compile(rb"[\t\n\r\\]")
_WRITTEN = {
    b"\b": b"\\b", b"\t": b"\\t", b"\n": b"\\n", b"\v": b"\\v", b"\f": b"\\f", b"\r": b"\\r",
    b"\\": b"\\\\",
}  # fmt: skip
_TRUTH = {b"true": b"t", b"false": b"f"}
_QUOTE, _BACKSLASH = 39, 92
_NUMBER = np.zeros(256, dtype=bool)
_NUMBER[list(b"0123456789+-.")] = True


def as_lines(batch: Batch, holds: Sequence[Hold]) -> Batch:
    """The same rows as COPY text in UTF-8; those that are COPY text already come as they are.

    Raises ValueError for a value that can't be written so: none of its column's type, or no text in UTF-8.
    """
    if batch.notation is Notation.COPY:
        return batch
    if batch.notation not in _SAID or not batch.width or not (batch.encoding == "utf-8" or batch.data.isascii()):
        raise ValueError(batch.notation)
    assert batch.starts is not None and batch.ends is not None  # literals always come with offsets
    flat, data = ColumnsOf(batch).flat(), batch.data
    marks = np.flatnonzero((flat.values < 32) | (flat.values == _QUOTE) | (flat.values == _BACKSLASH))
    special = np.searchsorted(marks, flat.starts) != np.searchsorted(marks, flat.ends)
    special |= ~flat.quoted & ~_NUMBER[flat.values[np.minimum(flat.starts, len(data) - 1)]]
    if batch.notation is not Notation.POSTGRESQL:
        special.reshape(batch.rows, batch.width)[:, [hold is Hold.BYTES for hold in holds]] = True
    special &= ~flat.null
    cells = [data[start:end] for start, end in zip(flat.starts.tolist(), flat.ends.tolist(), strict=True)]
    for index in np.flatnonzero(flat.null).tolist():
        cells[index] = b"\\N"
    starts, ends = batch.starts.ravel(), batch.ends.ravel()
    for index in np.flatnonzero(special).tolist():
        cell = data[starts[index] : ends[index]].strip()
        cells[index] = _TRUTH.get(cell) or _written(cell, holds[index % batch.width], batch)
    rows = map(b"\t".join, zip(*[iter(cells)] * batch.width, strict=True))
    lines = b"\n".join(rows) + b"\n" if cells else b""
    return replace(batch, notation=Notation.COPY, data=lines, encoding="utf-8", starts=None, ends=None)


_SAID = frozenset({Notation.POSTGRESQL, Notation.MARIADB, Notation.MARIADB_PLAIN})


def _written(cell: bytes, hold: Hold, batch: Batch) -> bytes:
    """A literal as a cell of COPY text."""
    postgresql = batch.notation is Notation.POSTGRESQL
    said = literal(cell, Hold.TEXT if postgresql else hold, batch.notation, batch.encoding)
    if said is None:
        return b"\\N"
    if isinstance(said, bytes):
        if hold is not Hold.BYTES:
            raise ValueError(cell)
        return b"\\\\x" + said.hex().encode()
    if not postgresql:
        return few_escaped(str(said).encode())
    return _RAW.sub(lambda match: _WRITTEN[match[0]], str(said).encode())


def few_escaped(text: bytes) -> bytes:
    """Text as a cell in the form that MariaDB is asked for: only what would end a cell or begin an escape is one."""
    return _FEW_RAW.sub(lambda match: _WRITTEN[match[0]], text)

"""Rows of a batch as INSERT statements, for any engine."""

from __future__ import annotations

from collections.abc import Iterator

from sospes.model.events import Batch

ROWS_AT_ONCE = 500


def statements_of(opening: bytes, batch: Batch) -> Iterator[bytes]:
    """The rows of a batch as INSERT statements of some hundred rows each."""
    assert batch.starts is not None and batch.ends is not None  # literals always come with offsets
    bounds = list(zip((batch.starts[:, 0] - 1).tolist(), (batch.ends[:, -1] + 1).tolist(), strict=True))
    for first in range(0, len(bounds), ROWS_AT_ONCE):
        yield opening + b",".join(batch.data[begin:end] for begin, end in bounds[first : first + ROWS_AT_ONCE])

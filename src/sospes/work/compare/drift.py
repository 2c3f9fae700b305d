"""When a backup was written, and by which column of live that tells later changes from others."""

from __future__ import annotations

import difflib
from contextlib import closing
from dataclasses import replace
from datetime import datetime
from pathlib import Path

from sospes.model.errors import NotFound, UsageError
from sospes.sides.registry import open_live
from sospes.sides.servers.address import Address
from sospes.work.compare.matching import Comparing
from sospes.work.compare.sides.protocol import RowSide
from sospes.work.look.inspect import inspect


def require_drift(left: Path | Address, right: Path | Address, how: Comparing) -> None:
    """See to it that drift can be told, before anything is read that takes long.

    Raises UsageError or NotFound where nobody knows when the backup was written, or no live table has the column.
    """
    if how.drift_by is None:
        return
    if isinstance(right, Address):
        with closing(open_live(right, how.timeout_seconds)) as live:
            names = {column.name for table in live.tables() for column in table.columns}
        if how.drift_by not in names:
            near = difflib.get_close_matches(how.drift_by, names, n=3)
            raise NotFound(
                f"{how.drift_by}: no table of {right.label} has a column of that name",
                f"did you mean {', '.join(near)}?" if near else "name the one that says when a row was written",
            )
    if how.written_at is None and isinstance(left, Path):
        found = inspect([left], how.opening, contents=False).result
        if found.written_at is None and found.compression is None:  # else its end may say so, which takes reading it
            raise _time_unknown(str(left), None)


def with_time(left: RowSide, how: Comparing) -> Comparing:
    """The time that the backup was written: what was stated, else what the backup says.

    Raises UsageError where drift is asked for and nobody knows.
    """
    if how.drift_by is None or how.written_at is not None:
        return how
    found = stated_time(left)
    if found is None or found.tzinfo is None:
        raise _time_unknown(left.name, left.written_at)
    return replace(how, written_at=found)


def _time_unknown(name: str, stated: str | None) -> UsageError:
    return UsageError(
        f"{name}: does not say when it was written, with a zone" + (f" ({stated})" if stated else ""),
        "state it with --written-at 2026-11-22T03:00:00+00:00",
    )


def stated_time(side: RowSide) -> datetime | None:
    """When a backup was written, by its own words; None where it doesn't say, or not as a time."""
    try:
        return datetime.fromisoformat(side.written_at or "")
    except ValueError:
        return None

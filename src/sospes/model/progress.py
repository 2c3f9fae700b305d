"""How far long work has come."""

from __future__ import annotations

from typing import Protocol

from sospes.model.entries import Entry
from sospes.model.events import Batch, Event, RowsBegin
from sospes.model.kinds import Kind


class Progress(Protocol):
    """Hears of long work."""

    def __call__(self, done: int, doing: str = "", rows: int = 0) -> None:
        """`done` bytes of the whole were read; it is about `doing` now, of which so many `rows` were met."""
        ...


_LONG = frozenset({Kind.INDEX, Kind.CONSTRAINT, Kind.REFRESH, Kind.MATERIALIZED_VIEW})
"""Definitions that go over all rows of a table."""


class Doing:
    """What a stream of events is about: a table and its rows so far, or a definition that may take long."""

    def __init__(self) -> None:
        self.what = ""
        self.rows = 0

    def take(self, event: Event) -> None:
        """Hear of one event."""
        if isinstance(event, RowsBegin):
            self.what, self.rows = event.table.label, 0
        elif isinstance(event, Batch):
            self.rows += event.rows
        elif isinstance(event, Entry) and event.kind in _LONG:
            self.what, self.rows = f"{event.kind} {event.name.label}", 0

"""Uses what is sound in a damaged backup, and lists what is missing: first a look for all damage, then the taking."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field, replace
from pathlib import Path

import numpy as np

from sospes.formats.form import everything
from sospes.formats.opening import Opened, Opening, open_backup, require_rows
from sospes.model.entries import ConstraintKind, Entry, Name
from sospes.model.events import Batch, Event, Notation, RowsBegin
from sospes.model.findings import Finding, Place
from sospes.model.types import Hold
from sospes.model.verdict import Severity
from sospes.rows.decoding import held_rows
from sospes.work.look.damage import Stretch, stretches

_LOSSES = frozenset(
    "row-shape row-text encoding-broken row-unreadable value-unreadable rows-lost truncated rows-unplaced text-lost "
    "statement-unreadable terminator-missing more-row-faults container-damaged data-misplaced member-missing "
    "data-missing data-damaged data-unexpected tar-damaged".split()
)
MOST_MISSING = 10_000
_GARBLED = "the rows come of garbled text in a damaged member, though their shape may be right"


@dataclass(frozen=True, slots=True, kw_only=True)
class Missing:
    """One stretch of a backup that could not be used. Unknown is None.

    key_before, key_after  the keys of the sound rows around it, as the backup has them
    """

    database: str | None
    schema: str | None
    table: str | None
    row_from: int | None
    row_to: int | None
    plain_from: int | None
    plain_to: int | None
    stored_from: int | None
    stored_to: int | None
    key_columns: tuple[str, ...] = ()
    key_before: tuple[str | None, ...] | None = None
    key_after: tuple[str | None, ...] | None = None
    used: bool = False
    reason: str


@dataclass(frozen=True, slots=True)
class Suspect:
    """Text of a damaged member from the first garbled place on; `row` is the first garbled row of `table`."""

    stretch: Stretch
    table: Name | None
    row: int | None

    def rows_before(self, batch: Batch, table: Name) -> int:
        """How many rows of a batch of `table` come before it."""
        if batch.plain_from >= self.stretch.begin or self.row is None or self.table != table:
            return 0 if batch.plain_to > self.stretch.begin else batch.rows
        lower = self.row - batch.first_row
        return max(0, min(batch.rows, lower - sum(1 for odd in batch.skipped if odd < lower)))


@dataclass(slots=True)
class Survey:
    """What the first look found: where text can't be trusted, and what the keys of tables are."""

    suspect: list[Suspect]
    uncertain: list[tuple[Stretch, Finding]]
    keys: dict[Name, tuple[str, ...]]


def surveyed(paths: Sequence[Path], opening: Opening) -> Survey:
    """Read all of a backup for its damage. Raises UsageError for standard input, which can't be read twice."""
    opened = open_backup(paths, replace(opening, wants=everything))
    require_rows(opened)
    findings: list[Finding] = []
    keys: dict[Name, tuple[str, ...]] = {}
    for event in opened.events():
        if isinstance(event, Finding):
            findings.append(event)
        elif isinstance(event, Entry):
            for constraint in event.constraints:
                if constraint.kind is ConstraintKind.PRIMARY and constraint.columns:
                    keys.setdefault(event.subject, constraint.columns)
    suspect, uncertain = [], []
    for cause in findings:
        for stretch in stretches([cause]):
            first = _first_evidence(stretch, findings)
            begin = stretch.end if first is None else first.plain_from or stretch.begin
            uncertain.append((Stretch(stretch.begin, begin, stretch.table), cause))
            if first is not None:
                table = None if first.table is None else Name(first.database, first.schema, first.table)
                suspect.append(Suspect(Stretch(begin, stretch.end, stretch.table), table, first.row_from))
    return Survey(suspect, uncertain, keys)


def _first_evidence(stretch: Stretch, findings: Sequence[Finding]) -> Place | None:
    """Where garbled text shows first in a damaged member, None where it shows nowhere."""
    shown = [
        finding.place
        for finding in findings
        if finding.severity is Severity.FAULT
        and finding.code != "container-damaged"
        and finding.place.plain_from is not None
        and stretch.begin <= finding.place.plain_from < stretch.end
    ]
    return min(shown, key=lambda place: place.plain_from or 0, default=None)


@dataclass(slots=True)
class Salvage:
    """Takes the events of a second reading, lets sound rows through, and keeps the list of what is missing."""

    survey: Survey
    wants: Callable[[Name], bool]
    missing: list[Missing] = field(default_factory=list)
    _begin: RowsBegin | None = None
    _last: Batch | None = None
    _waiting: list[int] = field(default_factory=list)

    def events(self, opened: Opened) -> Iterator[Event]:
        """The events of a backup, without rows that can't be trusted."""
        for event in opened.events():
            if isinstance(event, RowsBegin):
                self._begin, self._last = event, None
                self._waiting = []
            if isinstance(event, Batch):
                kept = self._trusted(event)
                if kept is not None:
                    yield kept
                continue
            if isinstance(event, Finding) and event.severity is Severity.FAULT and event.code in _LOSSES:
                self._note(event)
            yield event

    def _note(self, finding: Finding) -> None:
        place = finding.place
        name = None if place.table is None else Name(place.database, place.schema, place.table)
        if (name is not None and not self.wants(name)) or len(self.missing) >= MOST_MISSING:
            return
        if finding.code == "container-damaged":
            for stretch, cause in self.survey.uncertain:
                if cause.place == place and stretch.end > stretch.begin:
                    self._add(replace(place, plain_to=stretch.end), f"may be wrong: {finding.message}", used=True)
            return
        begin = place.plain_from
        if finding.code == "more-row-faults" and any(part.stretch.end for part in self.survey.suspect):
            return
        if begin is None or not any(part.stretch.covers(begin, begin + 1, name) for part in self.survey.suspect):
            self._add(place, finding.message)

    def _add(self, place: Place, reason: str, used: bool = False) -> None:
        keys: tuple[str, ...] = ()
        before = None
        if self._begin is not None and place.table == self._begin.table.name:
            keys = self.survey.keys.get(self._begin.table, ())
            before = self._key(self._last, -1, keys) if self._last is not None else None
            self._waiting.append(len(self.missing))
        self.missing.append(
            Missing(
                database=place.database, schema=place.schema, table=place.table, row_from=place.row_from,
                row_to=place.row_to, plain_from=place.plain_from, plain_to=place.plain_to,
                stored_from=place.stored_from, stored_to=place.stored_to, key_columns=keys, key_before=before,
                used=used, reason=reason,
            )
        )  # fmt: skip

    def _trusted(self, batch: Batch) -> Batch | None:
        """The rows of a batch that come before garbled text."""
        begin = self._begin
        if begin is None:
            return batch
        for suspect in self.survey.suspect:
            if suspect.stretch.covers(batch.plain_from, batch.plain_to, begin.table):
                kept = _first_rows(batch, suspect.rows_before(batch, begin.table))
                self._drop(batch, kept, begin.table)
                batch = kept
                if not batch.rows:
                    return None
        keys = self.survey.keys.get(begin.table, ())
        for index in self._waiting:
            missed = self.missing[index]
            row = sum(1 for number in range(batch.rows) if batch.number_of(number) < (missed.row_from or 0))
            if row < batch.rows:
                self.missing[index] = replace(missed, key_after=self._key(batch, row, keys))
            if row > 0:
                self.missing[index] = replace(self.missing[index], key_before=self._key(batch, row - 1, keys))
        self._waiting = []
        self._last = batch
        return batch

    def _drop(self, batch: Batch, kept: Batch, table: Name) -> None:
        """Rows come of garbled text, though their shape is right; those that follow each other are one stretch."""
        if kept.rows == batch.rows or not self.wants(table):
            return
        first = batch.number_of(kept.rows - 1) + 1 if kept.rows else batch.first_row
        last = batch.number_of(batch.rows - 1)
        before = self.missing[-1] if self.missing else None
        if before is not None and before.reason == _GARBLED and before.plain_to == batch.plain_from:
            self.missing[-1] = replace(before, row_to=last, plain_to=batch.plain_to)
            return
        place = Place(
            database=table.database, schema=table.schema, table=table.name, row_from=first, row_to=last,
            plain_from=batch.plain_from, plain_to=batch.plain_to,
        )  # fmt: skip
        self._last = kept if kept.rows else self._last
        self._add(place, _GARBLED)

    def _key(self, batch: Batch | None, row: int, keys: tuple[str, ...]) -> tuple[str | None, ...] | None:
        """The key of one row as text, where the table's key is known."""
        begin = self._begin
        if batch is None or begin is None or not keys or batch.notation is Notation.RECORDS:
            return None
        names = begin.columns or tuple(column.name for column in (begin.entry.columns if begin.entry else ()))
        if not set(keys) <= set(names) or len(names) != batch.width:
            return None
        single = _only(batch, row % batch.rows)
        held = next(held_rows(single, [Hold.TEXT] * batch.width, lambda *_: None), None)
        if held is None:
            return None
        return tuple(None if (value := held[names.index(key)]) is None else str(value) for key in keys)


def _only(batch: Batch, row: int) -> Batch:
    """A batch of one row of another."""
    if batch.starts is not None and batch.ends is not None:
        return replace(batch, rows=1, starts=batch.starts[row : row + 1], ends=batch.ends[row : row + 1], skipped=())
    lines = np.flatnonzero(np.frombuffer(batch.data, dtype=np.uint8) == 10)
    start = int(lines[row - 1]) + 1 if row else 0
    return replace(batch, data=batch.data[start : int(lines[row]) + 1], rows=1, ends=None, skipped=())


def _first_rows(batch: Batch, rows: int) -> Batch:
    """The first rows of a batch."""
    if rows == batch.rows:
        return batch
    if batch.starts is not None and batch.ends is not None:
        return replace(batch, rows=rows, starts=batch.starts[:rows], ends=batch.ends[:rows])
    lines = np.flatnonzero(np.frombuffer(batch.data, dtype=np.uint8) == 10)
    return replace(batch, data=batch.data[: int(lines[rows - 1]) + 1 if rows else 0], rows=rows, ends=None)

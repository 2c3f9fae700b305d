"""Reads a backup for an extraction: whose rows, by way of a seal or all of it, and which faults matter to them."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from pathlib import Path
from typing import BinaryIO

from sospes.formats.form import Wants
from sospes.formats.opening import Opened, Opening, open_backup, require_rows
from sospes.model.entries import Name
from sospes.model.errors import CannotCheck, NotFound
from sospes.model.events import Batch, Event, RowsBegin
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.model.progress import Progress
from sospes.model.verdict import Severity
from sospes.work.extract.salvage import Salvage, surveyed
from sospes.work.look.damage import BREAKS, stretches
from sospes.work.look.reading import followed
from sospes.work.seal.form import Seal
from sospes.work.seal.using import SealUse, find_seal, kept_ranges, text_of, unchanged
from sospes.work.selection import Selection

_WHOLE_FILE = (BREAKS - {"rows-lost"}) | {"completeness-unknown", "rows-unplaced", "statement-unreadable"}


@dataclass(frozen=True, slots=True, kw_only=True)
class Extracting:
    """How to extract.

    tables     names of tables
    form       'sql', 'csv', 'jsonl', or 'side copy'
    out        the file to write; None for `stream`
    new_name   what a table that goes into a side copy is called there
    salvage    whether what is sound of a damaged table is taken
    seal       which seal may be used to step over other tables' rows
    """

    opening: Opening
    tables: Sequence[str]
    form: str = "sql"
    out: Path | None = None
    stream: BinaryIO | None = None
    overwrite: bool = False
    csv_safe: bool = False
    with_drop: bool = False
    new_name: str | None = None
    salvage: bool = False
    seal: SealUse | None = None
    progress: Progress | None = None


class Misled(Exception):
    """What a seal leads to is not the tables whole: the seal may be wrong, and the backup sound."""


def begun(paths: Sequence[Path], how: Extracting, wants: Wants, *, by_parts: bool = True) -> Reading:
    """Open the backup for the rows of some tables; by parts of it, where a seal helps to find them."""
    salvage = Salvage(surveyed(paths, how.opening), wants) if how.salvage else None
    opened = open_backup(paths, replace(how.opening, wants=wants))
    require_rows(opened)
    if how.seal is None or how.salvage or not how.tables or opened.source.path is None:
        return Reading(opened, how, wants, salvage)
    seal, _, findings = find_seal(paths, how.seal)
    if findings:
        # As verify has them, but for a fault: what is wrong with the seal may leave the tables whole.
        weighed = (replace(one, severity=Severity.DOUBT if seal is None else Severity.NOTE) for one in findings)
        return Reading(replace(opened, findings=(*opened.findings, *weighed)), how, wants, salvage)
    if seal is None or not seal.restarts.useful:
        return Reading(opened, how, wants, salvage)
    reading = Reading(opened, how, wants, salvage, seal)
    return _by_seal(reading, seal) if by_parts else reading.of_all("the rows that the seal leads to are not whole")


def _by_seal(reading: Reading, seal: Seal) -> Reading:
    """A reading that steps over the rows of other tables, if all that it will read is as it was sealed."""
    opened, ranges = reading.opened, kept_ranges(seal, reading.wants)
    if opened.reader is None or len(ranges) == 1:
        return reading
    if unchanged(seal, opened.source, ranges):
        # The parts were proven unchanged: what is stepped over may be damaged, and no row of these tables comes of it.
        reader = opened.reader.of_parts(text_of(seal, opened.source, ranges))
        return reading if reader is None else replace(reading, opened=replace(opened, reader=reader), by_parts=True)
    return reading.of_all("the backup is not as it was sealed")


@dataclass(frozen=True, slots=True)
class Reading:
    """The events of a backup for an extraction, with faults weighed by whether they touch the wanted tables.

    by_parts  whether it reads only the parts that the seal leads to; what goes wrong then raises Misled
    """

    opened: Opened
    how: Extracting
    wants: Wants
    salvage: Salvage | None
    seal: Seal | None = None
    by_parts: bool = False

    def of_all(self, reason: str) -> Reading:
        """This reading with a note on why it steps over nothing."""
        not_used = note("seal-not-used", f"{reason}, so all of the backup is read", "verify it, and make a new seal")
        return replace(self, opened=replace(self.opened, findings=(*self.opened.findings, not_used)))

    def events(self) -> Iterator[Event]:
        """All events; rows come only of wanted tables."""
        try:
            yield from self._events()
        except CannotCheck:
            if self.by_parts:
                raise Misled from None
            raise

    def settle(self, selection: Selection) -> None:
        """Raises NotFound or UsageError for names of tables that no table, or more than one, answered to."""
        if self.opened.form is None:
            return
        try:
            selection.settle()
        except NotFound:
            # A name that the seal has no table for either is a slip of the pen, and told at once.
            if (
                self.by_parts
                and self.seal is not None
                and any(selection(table.full_name) for table in self.seal.tables)
            ):
                raise Misled from None
            raise

    def _events(self) -> Iterator[Event]:
        ranges: list[tuple[int, int, Name]] = []
        table: Name | None = None
        events = self.opened.events() if self.salvage is None else self.salvage.events(self.opened)
        for event in followed(events, self.opened, self.how.progress):
            if isinstance(event, RowsBegin):
                table = event.table
            elif isinstance(event, Batch) and table is not None:
                ranges.append((event.plain_from, event.plain_to, table))
            yield self._weighed(event, ranges) if isinstance(event, Finding) else event

    def uncounted(self, rows: Mapping[Name, int]) -> Iterator[Finding]:
        """Tables of which another number of rows came than was sealed, where the seal led to them."""
        for table in self.seal.tables if self.seal is not None else ():
            name = table.full_name
            if name in rows and rows[name] != table.rows:
                yield fault(
                    "rows-missing",
                    f"{name.label}: {table.rows:,} rows were sealed, {rows[name]:,} came",
                    "extract it without the seal (--no-seal), and verify the backup",
                    Place(database=name.database, schema=name.schema, table=name.name),
                )

    def refused(self, findings: Sequence[Finding]) -> bool:
        """Whether nothing is to be written: a wanted table is damaged, and what is sound of it wasn't asked for."""
        if self.opened.form is None:
            return True
        faulty = any(finding.severity is Severity.FAULT for finding in findings)
        if self.by_parts and (faulty or any(finding.code == "extract-may-lack" for finding in findings)):
            raise Misled
        return self.salvage is None and faulty

    def _weighed(self, finding: Finding, ranges: Sequence[tuple[int, int, Name]]) -> Finding:
        """A fault elsewhere in the backup does not touch the wanted tables; one that ends the file might."""
        place = finding.place
        if finding.severity is not Severity.FAULT or (self.opened.through and place.table is None):
            return finding
        if place.table is not None and self.wants(Name(place.database, place.schema, place.table)):
            return finding
        if finding.code == "container-damaged" and _touched(finding, ranges):
            return replace(
                finding,
                message=f"{finding.message}; rows of the table come of it",
                advice="take the table from another copy; --salvage takes what seems sound, and lists the rest",
            )
        if finding.code in _WHOLE_FILE:
            return doubt(
                "extract-may-lack",
                f"{finding.message}; keys, indexes or sequence values of the table may be among what is lost",
                "compare the table's definition with live before you rely on it",
                place,
            )
        return replace(finding, severity=Severity.NOTE, message=f"elsewhere in the backup: {finding.message}")


def _touched(finding: Finding, ranges: Sequence[tuple[int, int, Name]]) -> bool:
    """Whether wanted rows, whose ranges these are, come of a damaged member."""
    damaged = stretches([finding])
    return any(part.covers(begin, end, table) for part in damaged for begin, end, table in ranges)

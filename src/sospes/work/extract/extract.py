"""Takes single tables out of a backup: as SQL, CSV, JSON lines, or into a side copy."""

from __future__ import annotations

import shutil
import tempfile
import time
from collections.abc import Callable, Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, field, replace
from pathlib import Path
from typing import TYPE_CHECKING, BinaryIO

from sospes.formats.form import Wants
from sospes.formats.opening import Opened, Opening, open_backup
from sospes.model.entries import Entry, Name
from sospes.model.errors import CannotCheck, NotFound, UsageError
from sospes.model.events import Batch, Event, RowsBegin
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.model.kinds import Kind
from sospes.model.outcome import Outcome
from sospes.model.progress import Progress
from sospes.model.verdict import Rung, Severity
from sospes.places.writing import opened_own, partial, require_free
from sospes.work.extract.salvage import Missing, Salvage, surveyed
from sospes.work.extract.writers import ExtractedTable, Output, RowsWriter, SqlWriter
from sospes.work.look.damage import BREAKS, condensed, stretches
from sospes.work.look.reading import followed
from sospes.work.seal.form import Seal
from sospes.work.seal.using import SealUse, find_seal, kept_ranges, text_of, unchanged
from sospes.work.selection import Selection

if TYPE_CHECKING:
    from sospes.work.restore.loading import Loader

_WHOLE_FILE = (BREAKS - {"rows-lost"}) | {"completeness-unknown", "rows-unplaced", "statement-unreadable"}


@dataclass(frozen=True, slots=True, kw_only=True)
class Extraction:
    """What was taken out, where to, and what of it was left out because it needs other tables."""

    tables: tuple[ExtractedTable, ...]
    out: str | None
    form: str
    bytes: int
    backup_bytes: int | None
    left_out: tuple[str, ...]
    missing: tuple[Missing, ...] | None = None


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


def extract(paths: Sequence[Path], how: Extracting) -> Outcome[Extraction]:
    """Take tables out of the backup in `paths`. A damaged table is refused: nothing is written then.

    Raises UsageError for an output that exists or an ambiguous name, NotFound for a table that isn't there.
    """
    begin = time.perf_counter()
    if how.out is not None:
        require_free(how.out, overwrite=how.overwrite, advice="give --overwrite, or another name after --out")
    into = _into_side_copy if how.form == "side copy" else _into_files
    try:
        reading, findings, extraction = into(lambda wants: _begun(paths, how, wants), how)
    except _Misled:
        reading, findings, extraction = into(lambda wants: _begun(paths, how, wants, by_parts=False), how)
    opened = reading.opened
    if reading.salvage is not None:
        extraction = replace(extraction, missing=tuple(reading.salvage.missing))
    evidence = [Rung.PRESENT] + ([Rung.IDENTIFIED] if opened.form else [])
    return Outcome(
        name=opened.name,
        findings=tuple(condensed(findings)),
        evidence=tuple(evidence),
        result=extraction,
        seconds=time.perf_counter() - begin,
    )


class _Misled(Exception):
    """What a seal leads to is not the tables whole: the seal may be wrong, and the backup sound."""


def _begun(paths: Sequence[Path], how: Extracting, wants: Wants, *, by_parts: bool = True) -> _Reading:
    """Open the backup for the rows of some tables; by parts of it, where a seal helps to find them."""
    salvage = Salvage(surveyed(paths, how.opening), wants) if how.salvage else None
    opened = open_backup(paths, replace(how.opening, wants=wants))
    if how.seal is None or how.salvage or not how.tables or opened.source.path is None:
        return _Reading(opened, how, wants, salvage)
    seal, _, findings = find_seal(paths, how.seal)
    if findings:
        # As verify has them, but for a fault: what is wrong with the seal may leave the tables whole.
        weighed = (replace(one, severity=Severity.DOUBT if seal is None else Severity.NOTE) for one in findings)
        return _Reading(replace(opened, findings=(*opened.findings, *weighed)), how, wants, salvage)
    if seal is None or not seal.restarts.useful:
        return _Reading(opened, how, wants, salvage)
    reading = _Reading(opened, how, wants, salvage, seal)
    return _by_seal(reading, seal) if by_parts else reading.of_all("the rows that the seal leads to are not whole")


def _by_seal(reading: _Reading, seal: Seal) -> _Reading:
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
class _Reading:
    """The events of a backup for an extraction, with faults weighed by whether they touch the wanted tables.

    by_parts  whether it reads only the parts that the seal leads to; what goes wrong then raises _Misled
    """

    opened: Opened
    how: Extracting
    wants: Wants
    salvage: Salvage | None
    seal: Seal | None = None
    by_parts: bool = False

    def of_all(self, reason: str) -> _Reading:
        """This reading with a note on why it steps over nothing."""
        not_used = note("seal-not-used", f"{reason}, so all of the backup is read", "verify it, and make a new seal")
        return replace(self, opened=replace(self.opened, findings=(*self.opened.findings, not_used)))

    def events(self) -> Iterator[Event]:
        """All events; rows come only of wanted tables."""
        try:
            yield from self._events()
        except CannotCheck:
            if self.by_parts:
                raise _Misled from None
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
                raise _Misled from None
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
            raise _Misled
        return self.salvage is None and faulty

    def _weighed(self, finding: Finding, ranges: Sequence[tuple[int, int, Name]]) -> Finding:
        """A fault elsewhere in the backup does not touch the wanted tables; one that ends the file might."""
        place = finding.place
        if finding.severity is not Severity.FAULT:
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


Begin = Callable[[Wants], _Reading]
"""Opens the backup, once it is known whose rows are wanted."""


def _into_files(begin: Begin, how: Extracting) -> tuple[_Reading, list[Finding], Extraction]:
    """Write the wanted tables into one file."""
    findings: list[Finding] = []
    selection = Selection(how.tables)
    with _output(how) as output:
        writer: SqlWriter | RowsWriter
        writer = (
            SqlWriter(output, selection, how.with_drop)
            if how.form == "sql"
            else RowsWriter(output, selection, how.form, safe=how.csv_safe)
        )
        reading = begin(writer.wants)
        opened = reading.opened
        for event in reading.events():
            if isinstance(event, Finding):
                findings.append(event)
                continue
            if (isinstance(event, Entry) and event.kind == Kind.TABLE) or isinstance(event, RowsBegin):
                selection.see([event.table if isinstance(event, RowsBegin) else event.name])
            writer.take(event, opened.engine)
        reading.settle(selection)
        writer.close()
        findings += reading.uncounted({name: table.rows for name, table in writer.tables.items()})
        refused = reading.refused(findings)
        if refused:
            output.discard()
    findings += _left_out_notes(writer.left_out)
    if isinstance(writer, RowsWriter) and writer.formulas:
        findings.append(_formulas(writer.formulas))
    tables = () if refused else tuple(writer.tables.values())
    size = sum(table.bytes or 0 for table in tables) if refused else output.written
    return (
        reading,
        findings,
        Extraction(
            tables=tables,
            out=None if refused or how.out is None else str(how.out),
            form=how.form,
            bytes=0 if refused else size,
            backup_bytes=opened.source.size,
            left_out=tuple(writer.left_out),
        ),
    )


def _formulas(rows: int) -> Finding:
    """A note on cells that a spreadsheet would run."""
    return note(
        "csv-formulas",
        f"{rows:,} rows have a cell that a spreadsheet would run as a formula",
        "don't open the file in one; or extract with --csv-safe, which puts an apostrophe before such cells",
    )


def _left_out_notes(left_out: Sequence[str]) -> Iterator[Finding]:
    """Notes on what wasn't written because it needs other tables."""
    for text in left_out:
        yield note("left-out", f"left out: {text}", "extract that table too if you need it")


@contextmanager
def _output(how: Extracting) -> Iterator[Output]:
    """Where the tables go: a file beside its place, or a spool whose content is printed once all is well."""
    if how.out is None:
        assert how.stream is not None  # the command gives one or the other
        with tempfile.TemporaryFile(dir=how.opening.work_folder) as spool:
            output = Output(spool)
            yield output
            if not output.discarded:
                spool.seek(0)
                shutil.copyfileobj(spool, how.stream)
                how.stream.flush()
        return
    beside = partial(how.out)
    try:
        with opened_own(beside) as file:
            output = Output(file)
            yield output
        if not output.discarded:
            beside.replace(how.out)
    finally:
        beside.unlink(missing_ok=True)


@dataclass(slots=True)
class _NewPath:
    """Gives the one file that tables go into."""

    target: Path
    given: list[str | None] = field(default_factory=list)

    def __call__(self, database: str | None) -> Path:
        self.given.append(database)
        if len(self.given) > 1:
            raise UsageError(
                "the tables are of several databases, and a side copy is of one",
                "extract them one database at a time",
            )
        return self.target


def _into_side_copy(begin: Begin, how: Extracting) -> tuple[_Reading, list[Finding], Extraction]:
    """Load the wanted tables into a new embedded side copy."""
    from sospes.work.restore.loading import Loader

    assert how.out is not None  # the command requires it
    beside = partial(how.out)
    selection = Selection(how.tables)
    reading = begin(selection)
    opened = reading.opened

    def rename(name: Name) -> Name:
        return replace(name, name=how.new_name) if how.new_name and selection(name) else name

    loader = Loader(_NewPath(beside), selection, rename)
    findings: list[Finding] = []
    try:
        for event in reading.events():
            if opened.reader and opened.reader.header.engine and not loader.copies:
                loader.engine = opened.reader.header.engine
            if isinstance(event, Finding):
                findings.append(event)
            else:
                findings += loader.take(event)
        findings += loader.finish()
        reading.settle(selection)
        held = {table.name: table.rows for copy in loader.copies.values() for table in copy.tables.values()}
        findings += reading.uncounted({} if how.new_name else held)
        tables = _finish_side_copy(loader, findings, opened)
        if not reading.refused(findings) and loader.copies:
            beside.replace(how.out)
            size = how.out.stat().st_size
            return (
                reading,
                findings,
                Extraction(
                    tables=tables,
                    out=str(how.out),
                    form="side copy",
                    bytes=size,
                    backup_bytes=opened.source.size,
                    left_out=(),
                ),
            )
    finally:
        loader.drop()
    return (
        reading,
        findings,
        Extraction(tables=(), out=None, form="side copy", bytes=0, backup_bytes=opened.source.size, left_out=()),
    )


def _finish_side_copy(loader: Loader, findings: list[Finding], opened: Opened) -> tuple[ExtractedTable, ...]:
    """Check keys and references of what was loaded, and close it."""
    from sospes.sides.embedded.keys import Keys

    tables = []
    for copy in loader.copies.values():
        keys = Keys(copy)
        findings += keys.unique_keys()
        keys.declare()
        findings += keys.references_by_meaning()
        keys.indexes()
        findings += keys.checked()
        copy.reopen()
        copy.write_catalog({"backup": opened.name, "engine": loader.engine.value})
        copy.commit()
        copy.close()
        tables += [
            ExtractedTable(
                database=table.name.database,
                schema=table.name.schema,
                name=table.name.name,
                rows=table.rows,
                bytes=None,
            )
            for table in copy.tables.values()
        ]
    return tuple(tables)

"""Takes single tables out of a backup: as SQL, CSV, JSON lines, or into a side copy."""

from __future__ import annotations

import shutil
import tempfile
import time
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, field, replace
from pathlib import Path
from typing import TYPE_CHECKING

from sospes.formats.form import Wants
from sospes.formats.opening import Opened
from sospes.model.entries import Entry, Name
from sospes.model.errors import UsageError
from sospes.model.events import RowsBegin
from sospes.model.findings import Finding, note
from sospes.model.kinds import Kind
from sospes.model.moments import Reached
from sospes.model.outcome import Outcome
from sospes.model.verdict import Rung
from sospes.places.writing import opened_own, partial, require_free
from sospes.work.extract.reading import Extracting, Misled, Reading, begun
from sospes.work.extract.salvage import Missing
from sospes.work.extract.writers import ExtractedTable, Output, RowsWriter, SqlWriter
from sospes.work.look.damage import condensed
from sospes.work.selection import Selection

if TYPE_CHECKING:
    from sospes.work.restore.loading import Loader


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
    reached: Reached | None = None


def extract(paths: Sequence[Path], how: Extracting) -> Outcome[Extraction]:
    """Take tables out of the backup in `paths`. A damaged table is refused: nothing is written then.

    Raises UsageError for an output that exists or an ambiguous name, NotFound for a table that isn't there.
    """
    begin = time.perf_counter()
    if how.out is not None:
        require_free(how.out, overwrite=how.overwrite, advice="give --overwrite, or another name after --out")
    into = _into_side_copy if how.form == "side copy" else _into_files
    try:
        reading, findings, extraction = into(lambda wants: begun(paths, how, wants), how)
    except Misled:
        reading, findings, extraction = into(lambda wants: begun(paths, how, wants, by_parts=False), how)
    opened = reading.opened
    extraction = replace(extraction, reached=how.opening.reached)
    if reading.salvage is not None:
        extraction = replace(extraction, missing=tuple(reading.salvage.missing))
    evidence = [Rung.PRESENT] + ([Rung.IDENTIFIED] if opened.form else [])
    return Outcome(
        name=opened.name,
        findings=tuple(condensed(findings)),
        evidence=tuple(evidence),
        result=extraction,
        seconds=time.perf_counter() - begin + (how.opening.through.seconds if how.opening.through is not None else 0.0),
    )


Begin = Callable[[Wants], Reading]
"""Opens the backup, once it is known whose rows are wanted."""


def _into_files(begin: Begin, how: Extracting) -> tuple[Reading, list[Finding], Extraction]:
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


def _into_side_copy(begin: Begin, how: Extracting) -> tuple[Reading, list[Finding], Extraction]:
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

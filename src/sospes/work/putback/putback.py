"""Puts tables that are gone back into a live database, with all that belongs to them; what is there is left alone."""

from __future__ import annotations

import time
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from pathlib import Path
from typing import IO

from sospes.engines.dialect import Dialect
from sospes.engines.registry import dialect_of
from sospes.engines.way_back import Step
from sospes.model.entries import Engine, Entry, Name
from sospes.model.errors import CannotCheck, UsageError
from sospes.model.events import RowsBegin
from sospes.model.findings import Finding, Place, doubt, fault, note, some
from sospes.model.kinds import Kind
from sospes.model.moments import Reached
from sospes.model.objects import Objects
from sospes.model.outcome import Outcome
from sospes.model.progress import Progress
from sospes.model.verdict import Rung
from sospes.places.writing import nameless_file, require_free, write_whole
from sospes.sides.registry import open_live, server_of
from sospes.sides.servers.address import Address
from sospes.sides.servers.landing import Landing, Pace
from sospes.sides.servers.needs import Needs, version_shortfall
from sospes.work.extract.reading import Extracting, Misled, Reading, begun
from sospes.work.extract.salvage import Missing
from sospes.work.extract.writers import ExtractedTable
from sospes.work.look.damage import condensed
from sospes.work.putback.choosing import Choice, Wanting
from sospes.work.putback.collecting import Collector
from sospes.work.putback.steps import steps_of
from sospes.work.selection import Selection


@dataclass(frozen=True, slots=True, kw_only=True)
class PuttingBack:
    """How tables are put back.

    confirmed  the database's name, given once more; None only where nothing is to be written to it
    script     where the script goes that would be run; None for no script
    dry_run    write the script, and nothing else
    """

    extracting: Extracting
    address: Address
    wanting: Wanting = field(default_factory=Wanting)
    pace: Pace = field(default_factory=Pace)
    confirmed: str | None = None
    script: Path | None = None
    dry_run: bool = False
    timeout_seconds: int = 3600
    progress: Progress | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class CountedTable:
    """Rows of a table that was touched: before, after, and how many there should be; None where it wasn't there."""

    schema: str | None
    name: str
    before: int | None
    after: int | None
    expected: int | None


@dataclass(frozen=True, slots=True, kw_only=True)
class MadeObject:
    """Something that came back."""

    kind: str
    name: str


@dataclass(frozen=True, slots=True, kw_only=True)
class PutBack:
    """What was put back, where to, and the counts."""

    tables: tuple[ExtractedTable, ...]
    out: str | None
    form: str
    bytes: int
    backup_bytes: int | None
    left_out: tuple[str, ...]
    missing: tuple[Missing, ...] | None
    applied: bool
    script: str | None
    counts: tuple[CountedTable, ...]
    made: tuple[MadeObject, ...]
    reached: Reached | None = None


def require_confirmed(address: Address, confirmed: str | None) -> None:
    """Raises UsageError where the name of the database was not given once more, as it is in the address."""
    if address.database is None:
        raise UsageError(f"{address.label}: names no database", "name it in the address")
    if confirmed is None:
        raise UsageError(
            f"{address.label} would be written to, and that has to be confirmed",
            f"give --confirm {address.database}, or --dry-run to see what would be run",
        )
    if confirmed != address.database:
        raise UsageError(
            f"--confirm names {confirmed!r}, the database is {address.database!r}",
            "give the very name of the database that is to be changed",
        )


def put_back(paths: Sequence[Path], how: PuttingBack) -> Outcome[PutBack]:
    """Bring tables back from the backup in `paths`. All of it is read before live is touched.

    Raises UsageError for tables that are there, a missing confirmation, another engine; CannotCheck where live refuses,
    with everything as it was before.
    """
    begin = time.perf_counter()
    if not how.dry_run or how.address.database is None:
        require_confirmed(how.address, how.confirmed)
    if how.script is not None:
        require_free(how.script, overwrite=how.extracting.overwrite, advice="give --overwrite, or another name")
    with nameless_file(how.extracting.opening.work_folder) as spool:
        plan = planned(paths, how, spool)
        if plan.whole and (how.script is not None or how.dry_run):
            plan.write()
        if plan.whole and not how.dry_run:
            plan.apply()
        return replace(plan.outcome(), seconds=time.perf_counter() - begin)


def planned(paths: Sequence[Path], how: PuttingBack, spool: IO[bytes]) -> Plan:
    """Read the backup, and say what would be run on live, which is only looked at. Rows are kept in `spool`.

    Raises as `put_back` does.
    """
    live = _look(how)
    try:
        return Plan(paths, how, live, spool).read(by_parts=True)
    except Misled:
        spool.truncate(0)
        return Plan(paths, how, live, spool).read(by_parts=False)


@dataclass(frozen=True, slots=True)
class _Live:
    """What live has besides rows, its version, and which of its own functions do more than work out a value."""

    objects: Objects
    version: str
    working: frozenset[bytes]


def _look(how: PuttingBack) -> _Live:
    live = open_live(how.address, how.timeout_seconds)
    try:
        query = dialect_of(live.engine).way.working
        working = live.value(query).encode().split() if query else []
        return _Live(live.objects(every=False), live.version, frozenset(working))
    finally:
        live.close()


@dataclass(slots=True)
class Plan:
    """What brings tables back to a live database.

    findings  what is told of the backup, and of what was done
    counts    rows of the tables that were touched, once it was applied
    """

    paths: Sequence[Path]
    how: PuttingBack
    live: _Live
    spool: IO[bytes]
    findings: list[Finding] = field(default_factory=list)
    counts: tuple[CountedTable, ...] = ()
    applied: bool = False
    _reading: Reading | None = None
    _choice: Choice | None = None

    @property
    def whole(self) -> bool:
        """Whether all that is wanted was read, and may be put back."""
        return self._choice is not None

    @property
    def rows(self) -> dict[Name, int]:
        """The tables that come back, with the number of their rows."""
        return {} if self._choice is None else {name: one.count for name, one in self._choice.collected.rows.items()}

    def read(self, *, by_parts: bool) -> Plan:
        """Read the backup, and choose."""
        selection = Selection(self.how.extracting.tables)
        collected = Collector(selection, self.spool)
        reading = self._reading = begun(self.paths, self.how.extracting, collected.wants, by_parts=by_parts)
        self._read(reading, collected, selection)
        if reading.refused(self.findings) or not collected.rows:
            return self
        dialect = self._fitting(collected.engine, reading)
        choice = Choice(collected, dialect, self.live.objects, self.how.wanting, self.live.working)
        self._names(dialect)
        choice.settle()
        self.findings += choice.findings
        self._tell_code(choice)
        self._choice = choice
        return self

    def _read(self, reading: Reading, collected: Collector, selection: Selection) -> None:
        for event in reading.events():
            if isinstance(event, Finding):
                self.findings.append(event)
                continue
            if (isinstance(event, Entry) and event.kind == Kind.TABLE) or isinstance(event, RowsBegin):
                selection.see([event.table if isinstance(event, RowsBegin) else event.name])
            collected.take(event, reading.opened.engine)
        reading.settle(selection)
        self.findings += reading.uncounted({name: rows.count for name, rows in collected.rows.items()})
        databases = {name.database for name in collected.rows}
        if len(databases) > 1:
            raise UsageError("the tables are of several databases", "bring them back one database at a time")
        only = next(iter(databases), None)
        collected.entries = [
            entry for entry in collected.entries if entry.kind == Kind.SETTING or entry.name.database == only
        ]
        undefined = [name for name in collected.rows if not any(
            entry.kind == Kind.TABLE and entry.name == name for entry in collected.entries
        )]  # fmt: skip
        if undefined and not reading.refused(self.findings):
            raise CannotCheck(
                f"{undefined[0].label}: the backup holds its rows and no definition",
                "make the table yourself, then: sospes mend BACKUP LIVE --table TABLE",
            )

    def _fitting(self, engine: Engine | None, reading: Reading) -> Dialect:
        """The dialect of the backup. Raises UsageError for one of another engine, CannotCheck for a newer one."""
        target = self.how.address.engine
        if engine is None or engine.family is not target.family:
            raise UsageError(
                f"{reading.opened.name} is of {dialect_of(engine).title if engine else 'an unknown engine'}, "
                f"{self.how.address.label} of {dialect_of(target).title}",
                "tables go back into databases of their own engine only",
            )
        dialect = dialect_of(engine)
        stated = reading.opened.reader.header.engine_version if reading.opened.reader else None
        needs = Needs(version=dialect.least_version(stated or ""))
        server = dialect.least_version(self.live.version)
        if short := version_shortfall(server, needs, dialect.title):
            raise CannotCheck(f"{self.how.address.label}: {short[0]}", "bring it back into a server that is not older")
        return dialect

    def _names(self, dialect: Dialect) -> None:
        """Raises UsageError for a new name that is too long, or given for more than one table."""
        new, way = self.how.wanting.new_name, dialect.way
        if new is None:
            return
        length = len(new.encode()) if way.in_bytes else len(new)
        if not new or length > way.longest:
            raise UsageError(
                f"{new!r}: a name has 1 to {way.longest} {'bytes' if way.in_bytes else 'characters'}, not {length}",
                "give a shorter one with --new-name NAME",
            )

    def _tell_code(self, choice: Choice) -> None:
        """A note on what comes back and runs code of the backup from then on."""
        if code := choice.code():
            self.findings.append(
                note(
                    "code-brought-back",
                    f"live runs what the backup says from now on: {some(code, 6)}",
                    "their text: the same command with --dry-run",
                )
            )

    def _called(self, choice: Choice) -> dict[Name, str]:
        """What tables are to be called."""
        new = self.how.wanting.new_name
        return {table: new or table.name for table in choice.tables}

    @property
    def _settled(self) -> Choice:
        assert self._choice is not None  # asked for where `whole`
        return self._choice

    def script(self) -> Iterator[bytes]:
        """The script, by the names that the tables are to bear."""
        choice = self._settled
        yield b"-- Made by sospes: it brings back " + ", ".join(_one_line(choice.tables)).encode() + b"\n"
        yield b"-- It ends at the first error. Definitions are the backup's own words: read them before you run it.\n"
        yield from choice.dialect.way.script(steps_of(choice, self._called(choice)), choice.collected.read)

    def write(self) -> None:
        """Write the script to its file, or to the stream."""
        if self.how.script is not None:
            write_whole(self.how.script, self.script(), "name another file")
            return
        assert self.how.extracting.stream is not None  # the command gives one or the other
        for block in self.script():
            self.how.extracting.stream.write(block)
        self.how.extracting.stream.flush()

    def apply(self) -> None:
        """Run all steps on live, all or none."""
        landing = server_of(self.how.address.engine).landing(self.how.address, self.how.pace)
        try:
            self.counts = self._landed(landing, self._settled, self._settled.collected)
        except BaseException:
            landing.abandon()
            raise
        self.applied = True

    def _landed(self, landing: Landing, choice: Choice, collected: Collector) -> tuple[CountedTable, ...]:
        called = self._called(choice)
        final = {table: replace(table, name=called[table]) for table in choice.tables}
        asides = {table: landing.aside(final[table]) for table in choice.tables}
        steps = steps_of(choice, asides)
        touched = list(dict.fromkeys([*final.values(), *(step.table for step in steps if step.refers and step.table)]))
        before = {table: landing.rows_of(table) for table in touched}
        taken = [table for table in final.values() if before[table] is not None]
        if taken:
            raise UsageError(f"{taken[0].label}: is there now", "somebody made it meanwhile: look at it")
        # Views and other tables' keys go by the final names, which the tables only get once they are whole.
        refused: list[str] = []
        self._run(landing, [step for step in steps if not step.late], collected, refused)
        landing.settle({final[table]: aside for table, aside in asides.items() if aside != final[table].name})
        self._run(landing, [step for step in steps if step.late], collected, refused)
        expected = {final[table]: collected.rows[table].count for table in choice.tables}
        counts = tuple(
            CountedTable(
                schema=table.schema, name=table.name, before=before[table], after=landing.rows_of(table),
                expected=expected.get(table, before[table]),
            )
            for table in touched
        )  # fmt: skip
        wrong = [
            table
            for table in counts
            if table.name in {name.name for name in expected} and table.after != table.expected
        ]
        self.findings += _told(refused, landing, wrong)
        if wrong and choice.dialect.way.transactional:
            raise CannotCheck(
                f"{self.how.address.label}: nothing was changed: {wrong[0].name} has {wrong[0].after:,} rows after all "
                f"went in, {wrong[0].expected:,} were to",
                "a trigger or a rule of live may have taken some away: look at what live does with new tables",
            )
        landing.keep()
        return counts

    def _run(self, landing: Landing, steps: Sequence[Step], collected: Collector, refused: list[str]) -> None:
        done = 0
        for step in steps:
            if step.rows is None:
                said = landing.define(step)
                if said:
                    refused.append(f"{step.label}: {said[:200]}")
                continue
            for rows in landing.fill(step, collected.read):
                done += rows
                if self.how.progress is not None:
                    read = self._reading.opened.bytes_read if self._reading is not None else 0
                    self.how.progress(read, f"live: {step.table.label if step.table else ''}", done)

    def outcome(self) -> Outcome[PutBack]:
        """What came of it."""
        reading, choice = self._reading, self._choice
        assert reading is not None  # it was read
        opened = reading.opened
        evidence = [Rung.PRESENT] + ([Rung.IDENTIFIED] if opened.form else [])
        called = self._called(choice) if choice is not None else {}
        tables = tuple(
            ExtractedTable(
                database=table.database, schema=table.schema, name=called[table], rows=rows.count,
                bytes=sum(stretch.size for stretch in rows.stretches),
            )
            for table, rows in (choice.collected.rows.items() if choice is not None else ())
        )  # fmt: skip
        return Outcome(
            name=opened.name,
            findings=tuple(condensed(self.findings)),
            evidence=tuple(evidence),
            result=PutBack(
                tables=tables, out=self.how.address.label if self.applied else None, form="database",
                bytes=sum(table.bytes or 0 for table in tables), backup_bytes=opened.source.size, left_out=(),
                missing=tuple(reading.salvage.missing) if reading.salvage is not None else None, applied=self.applied,
                script=str(self.how.script) if self.how.script is not None and self.whole else None,
                counts=self.counts, made=tuple(_made(choice)), reached=self.how.extracting.opening.reached,
            ),
        )  # fmt: skip


def _one_line(tables: Sequence[Name]) -> Iterator[str]:
    """Names as a comment may hold them."""
    return (" ".join(name.label.split()) for name in tables)


def _told(refused: Sequence[str], landing: Landing, wrong: Sequence[CountedTable]) -> Iterator[Finding]:
    """What live took otherwise than the backup has it."""
    for said in refused:
        yield doubt("not-brought-back", f"live refused what can be done by hand later: {said}", "see to it by hand")
    for said in landing.orphans():
        yield doubt(
            "reference-not-followed",
            f"{said}; the reference holds for new rows only" if " rows refer " not in said else said,
            "bring back what they refer to, or take these rows away; then have live check the reference once more",
        )
    for label, said in landing.adjusted().items():
        yield doubt(
            "values-adjusted",
            f"{label}: live holds some values otherwise than the backup, as any restore would: {said[:200]}",
            "compare the table with the backup: sospes compare BACKUP LIVE --table TABLE",
        )
    for table in wrong:
        yield fault(
            "rows-missing",
            f"{table.name}: {table.after or 0:,} rows are there, {table.expected or 0:,} are in the backup",
            "others may have changed them meanwhile: compare the table with the backup",
            Place(schema=table.schema, table=table.name),
        )


def _made(choice: Choice | None) -> Iterator[MadeObject]:
    if choice is None:
        return
    for place in sorted(choice.chosen):
        entry = choice.collected.entries[place]
        if entry.kind not in {Kind.COMMENT, Kind.GRANT, Kind.OWNERSHIP, Kind.SEQUENCE_VALUE, Kind.SEQUENCE_OWNER}:
            yield MadeObject(kind=entry.kind, name=entry.name.label)

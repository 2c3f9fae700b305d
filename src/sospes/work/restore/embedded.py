"""Restores a backup to an embedded side copy, checks it there, times each step, and drops it."""

from __future__ import annotations

import sqlite3
import time
from collections.abc import Callable, Iterable, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, field
from datetime import datetime
from pathlib import Path

from sospes.formats.opening import Opened, Opening, open_backup, require_room, require_rows
from sospes.model.entries import Name
from sospes.model.errors import UsageError
from sospes.model.findings import Finding, fault, note, verdict_of
from sospes.model.moments import Moment, Reached
from sospes.model.outcome import Outcome, TableSummary
from sospes.model.progress import Progress
from sospes.model.verdict import Rung, Verdict
from sospes.places.own import work_folder
from sospes.sides.embedded.copy import ENGINE, EmbeddedCopy
from sospes.sides.embedded.keys import Keys, NotRehearsed
from sospes.sides.embedded.names import quoted
from sospes.sides.servers.marks import PREFIX
from sospes.work.extract.salvage import Missing, Salvage, surveyed
from sospes.work.look.damage import condensed, damaged_tables
from sospes.work.look.reading import followed, misfits
from sospes.work.look.tally import Tally
from sospes.work.restore.loading import Loader
from sospes.work.selection import Selection

ROOM_FACTOR = 1.6
"""Bytes of a side copy for each byte of plain text, with its indexes; measured on wide and narrow tables."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Side:
    """Where the side copy was.

    confined  what a private server could not reach: files, sockets, network, processes; None for other side copies
    """

    kind: str
    location: str
    engine: str
    engine_version: str
    kept: bool
    confined: tuple[str, ...] | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Step:
    """One step and its time."""

    name: str
    status: str
    seconds: float


@dataclass(frozen=True, slots=True, kw_only=True)
class PartOf:
    """A part of the backup that was given, and whether the restore used it."""

    path: str
    kind: str
    used: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Rehearsal:
    """What a rehearsal showed. `objects` counts by kind what its own engine restored besides tables, and has.

    parts, reached  where the restore was made of several parts, and by logs
    changed  what is otherwise in a data directory that was kept than in the backup
    """

    name: str
    format: str | None
    engine: str | None
    kind: str | None
    side: Side | None
    space_expected_bytes: int | None
    steps: tuple[Step, ...]
    tables: tuple[TableSummary, ...]
    not_rehearsed: tuple[NotRehearsed, ...]
    objects: dict[str, int] = field(default_factory=dict)
    missing: tuple[Missing, ...] | None = None
    parts: tuple[PartOf, ...] = ()
    reached: Reached | None = None
    changed: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Rehearsing:
    """How to rehearse.

    tables    names of the only tables to load; all when empty
    salvage   whether what is sound of damaged tables is loaded
    server_bin   the only folder in which programs of a private server are looked for
    prefix    what names of databases on a server in use begin with
    trusted   whether the backup may run with rights that reach outside of its side copy
    workers   connections that rows and indexes of a server's side copy go in by
    walled    whether a private server has to be kept from everything but its own folder
    stop_at_first  whether the first statement that fails ends the restore
    keep      where the side copy stays, in a folder; of a physical copy the new folder itself; None drops it
    now       the time that goes into the name of a kept copy
    moment    up to which logs are applied; None applies all
    announce  hears of the space that is expected, in bytes, before anything is written
    """

    opening: Opening
    tables: Sequence[str] = ()
    salvage: bool = False
    server_bin: Path | None = None
    prefix: str = PREFIX
    trusted: bool = False
    workers: int = 1
    stop_at_first: bool = False
    walled: bool = True
    keep: Path | None = None
    now: datetime | None = None
    moment: Moment | None = None
    progress: Progress | None = None
    announce: Callable[[int | None, str], None] | None = None


@dataclass(slots=True)
class Steps:
    """Runs steps and keeps their times; a step that added a fault has failed."""

    findings: list[Finding]
    done: list[Step] = field(default_factory=list)

    @contextmanager
    def step(self, name: str) -> Iterator[None]:
        begin = time.perf_counter()
        before = len(self.findings)
        yield
        status = verdict_of(self.findings[before:]).word
        self.done.append(Step(name=name, status=status, seconds=round(time.perf_counter() - begin, 4)))


def rehearse(paths: Sequence[Path], how: Rehearsing) -> Outcome[Rehearsal]:
    """Restore the backup in `paths` to a side copy and check it there.

    Raises NoRoom before anything is written if the side copy would not fit.
    """
    begin = time.perf_counter()
    salvage = Salvage(surveyed(paths, how.opening), Selection(how.tables)) if how.salvage else None
    opened = open_backup(paths, how.opening)
    require_rows(opened)
    with work_folder(how.opening.work_folder) as scratch:
        folder = how.keep or scratch
        expected = _expected_space(opened)
        if how.announce is not None:
            how.announce(expected, str(folder))
        if expected is not None:
            require_room(folder, expected, "the side copy")
        findings: list[Finding] = []
        loader = Loader(_paths(folder, opened, how), Selection(how.tables))
        try:
            rehearsal = _run(opened, loader, findings, _Task(how, expected, salvage))
        except BaseException:
            loader.drop()
            raise
    return Outcome(
        name=opened.name,
        findings=tuple(condensed(findings)),
        evidence=_evidence(opened, findings, rehearsal, whole=not how.tables),
        result=rehearsal,
        seconds=time.perf_counter() - begin,
    )


@dataclass(frozen=True, slots=True)
class _Task:
    """What was asked for; the space that it is expected to need, in bytes; what is to be saved of damage."""

    how: Rehearsing
    expected: int | None
    salvage: Salvage | None


def _run(opened: Opened, loader: Loader, findings: list[Finding], task: _Task) -> Rehearsal:
    """All steps, one after the other, each timed."""
    how = task.how
    steps = Steps(findings)
    tally = Tally()
    with steps.step("read and load"):
        findings += _loaded(opened, loader, tally, task)
    if loader.selection.wanted:
        loader.selection.settle()
    not_rehearsed = list(loader.not_rehearsed.values())
    for database, copy in loader.copies.items():
        prefix = f"{database}: " if len(loader.copies) > 1 else ""
        not_rehearsed += _keyed(copy, steps, prefix, opened.weighed)
    if not loader.copies and opened.form is not None:
        findings += _nothing_loaded(tally)
    with steps.step("keep the side copy" if how.keep else "drop the side copy"):
        side = _let_go(loader, opened, how)
    return Rehearsal(
        name=opened.name,
        format=opened.form,
        engine=_engine(opened),
        kind=tally.kind(copied=False),
        side=side,
        space_expected_bytes=task.expected,
        steps=tuple(steps.done),
        tables=tuple(_summaries(loader)),
        not_rehearsed=tuple(not_rehearsed),
        missing=None if task.salvage is None else tuple(task.salvage.missing),
    )


def _loaded(opened: Opened, loader: Loader, tally: Tally, task: _Task) -> Iterator[Finding]:
    """Read the backup, and load what it gives."""
    events = opened.events() if task.salvage is None else task.salvage.events(opened)
    damaged: set[Name] = set()
    for event in followed(events, opened, task.how.progress):
        engine = opened.engine
        if engine is not None and not loader.copies:
            loader.engine = engine
        tally.take(event)
        if isinstance(event, Finding):
            yield event
            continue
        for finding in map(opened.weighed, loader.take(event)):
            damaged |= damaged_tables([finding])
            yield finding
    damaged |= damaged_tables(tally.findings) | tally.doubtful()
    yield from loader.finish(frozenset() if task.salvage else damaged)
    yield from misfits(opened, tally)


def _keyed(copy: EmbeddedCopy, steps: Steps, prefix: str, weighed: Callable[[Finding], Finding]) -> list[NotRehearsed]:
    """Keys, conditions, indexes and the engine's checks, for one side copy; `weighed` says what a finding counts."""
    keys = Keys(copy)
    try:
        with steps.step(f"{prefix}primary and unique keys"):
            steps.findings.extend(map(weighed, keys.unique_keys()))
        with steps.step(f"{prefix}references and checks"):
            keys.declare()
            steps.findings.extend(map(weighed, keys.references_by_meaning()))
        with steps.step(f"{prefix}indexes"):
            keys.indexes()
        with steps.step(f"{prefix}the engine's own checks"):
            steps.findings.extend(map(weighed, keys.checked()))
        with steps.step(f"{prefix}count the rows"):
            steps.findings.extend(_miscounted(copy))
    except sqlite3.OperationalError as error:
        raise copy.disk_error(error) from error
    return keys.not_rehearsed


def _miscounted(copy: EmbeddedCopy) -> Iterator[Finding]:
    """Tables that have another number of rows than went in."""
    for table in copy.tables.values():
        if not table.kept:
            continue
        counted = copy.connection.execute(f"SELECT count(*) FROM {quoted(table.held_name)}").fetchone()[0]
        if counted != table.rows:
            yield fault(
                "rows-miscounted",
                f"{table.name.full_label}: {table.rows:,} rows were loaded, the side copy has {counted:,}",
                "check this machine's disk and memory, then run this again",
            )


def _nothing_loaded(tally: Tally) -> Iterable[Finding]:
    """What is said of a backup that brought no rows."""
    if tally.kind(copied=False) == "schema-only":
        yield note(
            "schema-only",
            "the backup holds definitions and no rows",
            "make sure that the rows are in another backup",
        )
    elif not tally.tables and not tally.findings:
        yield note("no-tables", "the backup holds no tables")


def _let_go(loader: Loader, opened: Opened, how: Rehearsing) -> Side | None:
    """Keep the side copies or delete them; what they were."""
    paths = [copy.path for copy in loader.copies.values()]
    if not paths:
        return None
    facts = {"backup": opened.name, "engine": loader.engine.value, "engine version": _version(opened)}
    for copy in loader.copies.values():
        if how.keep:
            copy.reopen()
            copy.write_catalog(facts)
    if how.keep:
        loader.close()
    else:
        loader.drop()
    location = str(paths[0]) if len(paths) == 1 else str(paths[0].parent)
    return Side(
        kind="embedded",
        location=location,
        engine=ENGINE.value,
        engine_version=sqlite3.sqlite_version,
        kept=bool(how.keep),
    )


def _engine(opened: Opened) -> str | None:
    """The engine's name, as far as was read."""
    engine = opened.engine
    return engine.value if engine else None


def _version(opened: Opened) -> str | None:
    """The version of the server that the backup is from."""
    return opened.reader.header.engine_version if opened.reader else None


def _expected_space(opened: Opened) -> int | None:
    """About how much room the side copy needs, in bytes; None where nobody can tell."""
    plain = opened.plain_estimate
    return None if plain is None else int(plain * ROOM_FACTOR) + (1 << 20)


def _paths(folder: Path, opened: Opened, how: Rehearsing) -> Callable[[str | None], Path]:
    """Gives a name to each database's side copy."""
    stem = Path(opened.name).name.split(".")[0] or "backup"
    stamp = how.now.strftime("%Y%m%d-%H%M%S") if how.now else "side"

    def path(database: str | None) -> Path:
        part = f"-{''.join(char if char.isalnum() or char in '_-' else '_' for char in database)}" if database else ""
        found = folder / f"sospes-{stem}{part}-{stamp}.sqlite"
        if found.exists():
            raise UsageError(f"{found}: is there already", "move it away; a side copy never takes anything's place")
        return found

    return path


def _summaries(loader: Loader) -> Iterator[TableSummary]:
    """The tables that were loaded."""
    for copy in loader.copies.values():
        for table in copy.tables.values():
            yield TableSummary(
                database=table.name.database,
                schema=table.name.schema,
                name=table.name.name,
                columns=tuple(column.name for column in table.columns),
                column_types=tuple(column.type for column in table.columns),
                rows=table.rows,
            )


def _evidence(opened: Opened, findings: list[Finding], rehearsal: Rehearsal, whole: bool) -> tuple[Rung, ...]:
    """What was proven: loaded only if all of it was, and nothing was found."""
    found = [Rung.PRESENT]
    if opened.form is None:
        return tuple(found)
    found.append(Rung.IDENTIFIED)
    if verdict_of(findings) is Verdict.SOUND:
        found.append(Rung.INTACT)
        if whole and rehearsal.side is not None:
            found.append(Rung.LOADED)
    return tuple(found)

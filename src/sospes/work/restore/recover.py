"""Rehearses a physical copy: verified, laid out, recovered to a moment on a private server, checked, removed."""

from __future__ import annotations

import tempfile
import time
from collections.abc import Iterator, Sequence
from contextlib import closing, contextmanager
from dataclasses import dataclass, field, replace
from pathlib import Path

from sospes.formats.opening import require_room
from sospes.formats.recovery import MARGIN, Recovery, Stop, open_recovery
from sospes.model.entries import Name
from sospes.model.errors import NotFound
from sospes.model.findings import Finding, doubt, fault, note, some, verdict_of
from sospes.model.moments import Reached, assumed, position
from sospes.model.outcome import Outcome, TableSummary
from sospes.model.verdict import Rung, Severity, Verdict
from sospes.sides.registry import open_live, recovery_of
from sospes.sides.servers.binaries import Binaries, find_exactly
from sospes.sides.servers.recovering import Limits, Recovering, RecoveryFailed
from sospes.work.look.damage import condensed
from sospes.work.look.verify import Looking, verify
from sospes.work.restore.copied import RecoveredCopy
from sospes.work.restore.embedded import PartOf, Rehearsal, Rehearsing, Side, Steps
from sospes.work.restore.server import UNCONFINED

UNKNOWN_FACTOR = 8
"""Bytes of the restored files for each stored one, where nothing says how many there are."""

SERVER_ROOM = 128 << 20

_SUPERUSERS = note(
    "own-superusers",
    "the backup brings its own superusers and their code: only the walls around the private server hold them",
)


@dataclass(slots=True)
class _Running:
    """A rehearsal on its way: what was found, and what was reached and counted."""

    path: Path
    how: Rehearsing
    recovery: Recovery
    findings: list[Finding]
    steps: Steps
    expected: int
    tables: dict[Name, int] = field(default_factory=dict)
    reached: Reached | None = None
    changed: tuple[str, ...] = ()

    def find(self, *found: Finding) -> None:
        """Keep findings, with the backup's name where they have none."""
        self.findings += [one if one.place.file else one.at(file=str(self.path)) for one in found]

    def tell(self, size: int, what: str) -> None:
        """Say how far it is."""
        if self.how.progress is not None:
            self.how.progress(size, what, 0)


def rehearse_by_recovery(path: Path, how: Rehearsing) -> Outcome[Rehearsal]:
    """Recover a physical copy on a private server of its own version, to a moment or to the end of its logs.

    Raises CannotCheck where no such server is installed, where something that the backup builds on is nowhere, or for
    want of space; UsageError for a moment before the backup's end. Nothing is left behind.
    """
    begin = time.perf_counter()
    run, binaries = _opened(path, how)
    server = _made(run, binaries)
    with server.given_up(), closing(run.recovery):
        if _recovered(run, server):
            with run.steps.step("the engine's own checks"):
                for database in server.databases():
                    run.find(*server.checked(database, run.tables))
            if how.keep is not None:
                with run.steps.step("keep the data directory"):
                    run.changed = server.keep(how.keep)
    with run.steps.step("remove the private server"):
        server.remove()
    return Outcome(
        name=str(path),
        findings=tuple(condensed(run.findings)),
        evidence=_evidence(run),
        result=_rehearsal(run, server, binaries),
        seconds=time.perf_counter() - begin,
    )


@contextmanager
def recovered_copy(path: Path, how: Rehearsing, database: str | None) -> Iterator[RecoveredCopy]:
    """A physical copy whose rows can be asked for, of one database, or of the only one that has tables.

    The private server runs until the context ends; then nothing is left of it. Raises what `rehearse_by_recovery`
    does, and NotFound for a database that isn't there.
    """
    begin = time.perf_counter()
    run, binaries = _opened(path, how)
    server = _made(run, binaries)
    with server.given_up():
        with closing(run.recovery):
            reached = _recovered(run, server)
            only = _database(path, server, database) if reached else None
            if reached:
                run.find(*_unlogged(server, [only] if only is not None else server.populated()))
        yield RecoveredCopy(
            path=path, findings=tuple(condensed(run.findings)), reached=run.reached,
            address=replace(server.address(only or ""), database=only) if reached else None,
            seconds=time.perf_counter() - begin,
        )  # fmt: skip
    server.remove()


def _database(path: Path, server: Recovering, wanted: str | None) -> str | None:
    """The database whose rows are wanted; None for all, where several have tables."""
    if wanted is not None and wanted not in server.databases():
        raise NotFound(f"{path}: has no database {wanted!r}", f"it has: {', '.join(server.databases())}")
    found = server.populated()
    return wanted or (found[0] if len(found) == 1 else None)


def _unlogged(server: Recovering, databases: Sequence[str]) -> Iterator[Finding]:
    """Tables that no log has, and that a recovery finds empty, whatever was in them."""
    found: list[str] = []
    for name in databases:
        with closing(open_live(server.address(name), 0)) as live:
            found += [table.name.label for table in live.tables() if not table.logged]
    if found:
        said = f"{some(found, MOST_NAMED)}: unlogged, so no base backup has their rows; they are not compared"
        yield note("unlogged-empty", said, "take them from a dump, if they matter")


MOST_NAMED = 5


def _opened(path: Path, how: Rehearsing) -> tuple[_Running, Binaries]:
    """Open the copy, see to it that there is a server and room for it, and read it through."""
    findings: list[Finding] = []
    recovery = open_recovery(path, how.opening.parts)
    run = _Running(path, how, recovery, findings, Steps(findings), _expected(recovery))
    binaries = find_exactly(recovery_of(recovery.engine).installed, recovery.version, how.server_bin)
    require_room(how.opening.work_folder or Path(tempfile.gettempdir()), run.expected, "the side copy")
    with run.steps.step("verify"):
        bytes_only = replace(how.opening, through=None)
        run.find(*verify([path], Looking(opening=bytes_only, progress=how.progress)).findings)
    return run, binaries


def _made(run: _Running, binaries: Binaries) -> Recovering:
    how = run.how
    with run.steps.step("start a private server"):
        server = recovery_of(run.recovery.engine).make(binaries, how.opening.work_folder, how.walled)
    if how.announce is not None:
        how.announce(run.expected, str(server.folder))
    run.find(_SUPERUSERS, *(() if how.walled else (UNCONFINED,)), *assumed(how.moment))
    return server


def _recovered(run: _Running, server: Recovering) -> bool:
    """Lay out, feed, recover, start; whether that is so."""
    recovery, how = run.recovery, run.how
    with run.steps.step("lay out the files"):
        recovery.lay_out(server.data, how.opening.work_folder)
    with run.steps.step("find the moment in the log"):
        stop = recovery.stop(how.moment)
    if stop.consistent is None or stop.end < stop.consistent:
        said = f"it can't be restored: {recovery.missing(stop)}{f' ({stop.problem})' if stop.problem else ''}"
        run.find(doubt("logs-missing", said, "name the place where the log was archived: --with FOLDER"))
        return False
    if how.moment is not None and not stop.found:
        run.find(_past_end(run, stop))
    require_room(server.folder, recovery.log_size(stop) + SERVER_ROOM, "the log")
    with run.steps.step("feed the log"):
        recovery.feed(stop, server.data / "pg_wal", lambda size: run.tell(size, "feeding the log"))
    with run.steps.step("recover"):
        try:
            server.recover(Limits(**recovery.limits), recovery.timeline, lambda: run.tell(0, "recovering"))
        except RecoveryFailed as error:
            advice = f"sospes verify {run.path} tells what is wrong with its files and its log"
            run.find(fault("recovery-failed", f"the server gave up recovering: {error}", advice))
            return False
    run.find(*short_of(server.ended_at(), stop.end))
    run.reached = Reached(
        time=stop.time, lsn=position(stop.end),
        transaction=str(stop.last_transaction) if stop.last_transaction is not None else None,
    )  # fmt: skip
    server.start()
    return True


def _past_end(run: _Running, stop: Stop) -> Finding:
    """The moment that is wanted is not in the log: what is reached instead."""
    wanted = run.how.moment.words if run.how.moment is not None else ""
    why = f"it can't be followed there: {stop.problem}" if stop.problem else "and the last commit is of"
    last = f"{why} {stop.time or 'no time'}" if not stop.problem else why
    return doubt(
        "moment-past-end",
        f"{wanted} is not reached: the log ends at {position(stop.end)}, {last}",
        "name the place with the logs that follow: --with FOLDER; or an earlier moment",
    )


def short_of(ended: int | None, wanted: int) -> Iterator[Finding]:
    """A recovery that stopped before all was applied that it was given."""
    if ended is None or ended < wanted:
        where = position(ended) if ended is not None else "an unknown position"
        yield fault(
            "recovery-short",
            f"the server's recovery ended at {where}, and was to reach {position(wanted)}",
            "sospes verify tells where its log can't be followed",
        )


def _expected(recovery: Recovery) -> int:
    """Bytes that the files take, as far as heads tell; the log comes on top, once it is known how much of it."""
    size = recovery.size
    if size is None:
        files = (file for path, _ in recovery.chain for file in path.rglob("*"))
        size = sum(file.stat().st_size for file in files if file.is_file()) * UNKNOWN_FACTOR
    return int(size * MARGIN) + SERVER_ROOM


def _rehearsal(run: _Running, server: Recovering, binaries: Binaries) -> Rehearsal:
    engine = run.recovery.engine.value
    return Rehearsal(
        name=str(run.path), format=run.recovery.form, engine=engine, kind="full",
        side=Side(
            kind="private", location=str(run.how.keep if run.changed else server.folder), engine=engine,
            engine_version=binaries.words, kept=bool(run.changed), confined=server.walls,
        ),
        space_expected_bytes=run.expected, steps=tuple(run.steps.done),
        tables=tuple(
            TableSummary(
                database=name.database, schema=name.schema, name=name.name, columns=(), column_types=(), rows=rows
            )
            for name, rows in run.tables.items()
        ),
        not_rehearsed=(),
        parts=tuple(PartOf(path=one.path, kind=one.kind, used=one.used) for one in run.recovery.used()),
        reached=run.reached, changed=run.changed,
    )  # fmt: skip


def _evidence(run: _Running) -> tuple[Rung, ...]:
    found = [Rung.PRESENT, Rung.IDENTIFIED]
    if run.reached is None:
        return tuple(found)
    if not any(one.severity is Severity.FAULT for one in run.findings):
        found.append(Rung.INTACT)
    if verdict_of(run.findings) is Verdict.SOUND:
        found += [Rung.LOADED, Rung.RESTORED, Rung.CONSISTENT]
    return tuple(found)

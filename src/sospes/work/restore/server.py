"""Restores a backup on a server of its own engine, has the engine check it, times it, removes it."""

from __future__ import annotations

import tempfile
import time
from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from datetime import UTC, datetime
from pathlib import Path

from sospes.engines.registry import dialect_of
from sospes.formats.form import nothing
from sospes.formats.opening import Opened, open_backup, require_room, require_rows
from sospes.model.accounts import AccountKind, unlike_accounts
from sospes.model.entries import Engine, Entry, Name
from sospes.model.errors import CannotCheck, UsageError
from sospes.model.events import Header
from sospes.model.findings import Finding, doubt, fault, note, some, verdict_of
from sospes.model.kinds import Kind
from sospes.model.outcome import Outcome, TableSummary
from sospes.model.verdict import Rung, Severity, Verdict
from sospes.sides.embedded.keys import NotRehearsed
from sospes.sides.registry import open_live, outside, server_of
from sospes.sides.servers.address import Address
from sospes.sides.servers.binaries import find_binaries
from sospes.sides.servers.marks import Naming
from sospes.sides.servers.needs import Needs, require
from sospes.sides.servers.restoring import EngineRestore, Making
from sospes.work.look.damage import condensed
from sospes.work.look.reading import followed, misfits
from sospes.work.look.tally import Tally
from sospes.work.objects.defined import BackupObjects
from sospes.work.objects.differences import restored_objects
from sospes.work.restore.embedded import Rehearsal, Rehearsing, Side, Steps

ROOM_FACTOR = 2.5
"""Bytes of a restored database for each byte of plain text: rows, indexes, and the server's own files."""

SERVER_ROOM = 200 << 20


def rehearse_on_server(paths: Sequence[Path], how: Rehearsing, server: Address | None) -> Outcome[Rehearsal]:
    """Restore the backup in `paths` in new databases of a server, or on a private server where `server` is None.

    Raises CannotCheck where no fitting server is installed or a server lacks what the backup needs, NoRoom where it
    would not fit; nothing was made then.
    """
    begin = time.perf_counter()
    opened = open_backup(paths, how.opening)
    require_rows(opened)
    header = opened.reader.stated() if opened.reader else None
    engine = header.engine if header else None
    if opened.form is not None and (engine is None or not dialect_of(engine).has_server):
        raise CannotCheck(
            f"{opened.name}: is a backup of {engine.value if engine else 'an unknown engine'}, which has no server",
            "rehearse it in an embedded side copy: --side embedded",
        )
    if server is not None and engine is not None and engine.family is not server.engine.family:
        raise UsageError(
            f"{opened.name}: is a backup of {engine.value}, and {server.label} is another engine",
            "name a server of the backup's own engine, or use --side private",
        )
    findings: list[Finding] = []
    steps = Steps(findings)
    tally = Tally()
    rehearsal = None
    if opened.form is not None and header is not None and engine is not None:
        task = _Task(paths, how, header, engine, server)
        rehearsal = _on_server(opened, task, (steps, tally))
        if server is not None:
            findings += _accounts(task, server)
    else:
        findings += [event for event in opened.events() if isinstance(event, Finding)]
    return Outcome(
        name=opened.name,
        findings=tuple(condensed(findings)),
        evidence=_evidence(opened, findings, tally),
        result=rehearsal or _nothing(opened),
        seconds=time.perf_counter() - begin,
    )


def _accounts(task: _Task, server: Address) -> Iterator[Finding]:
    """Which accounts and rights of a backup of a whole server this one lacks, and which it has beyond them."""
    backup = task.objects.accounts.of_server
    if backup is None:
        return
    live = open_live(replace(server, database=None), _ACCOUNTS_SECONDS)
    try:
        known = live.accounts()
    finally:
        live.close()
    unlike = list(unlike_accounts(backup, known)) if known is not None else []
    for only, code, said in (
        ("backup", "accounts-missing", "of the backup's accounts, this server lacks"),
        ("live", "accounts-beyond", "beyond the backup's accounts, this server has"),
    ):
        names = [one.key.who for one in unlike if one.only == only and one.key.kind is AccountKind.ACCOUNT]
        if names:
            advice = "compare the backup with the whole server, rights included: sospes compare BACKUP URL"
            yield note(code, f"{said} {some(names, 8)}", advice)


_ACCOUNTS_SECONDS = 600


@dataclass(frozen=True, slots=True)
class _Task:
    """What is to be restored, how, and on which server; None for a private one. `objects` has what was defined."""

    paths: Sequence[Path]
    how: Rehearsing
    header: Header
    engine: Engine
    server: Address | None
    objects: BackupObjects = field(default_factory=BackupObjects)


def _needs(task: _Task) -> Needs:
    """What the backup needs, by a pass over its definitions; a backup on standard input is passed over only once."""
    header = task.header
    extensions: dict[str, None] = {}
    known = dialect_of(task.engine).extensions
    databases: dict[str, None] = {}
    if all(str(path) != "-" for path in task.paths):
        again = open_backup(task.paths, replace(task.how.opening, wants=nothing, check_pages=False))
        for event in again.events():
            if isinstance(event, Entry):
                if event.kind == Kind.EXTENSION and event.name.name in known:
                    extensions[event.name.name] = None
                if event.name.database is not None:
                    databases[event.name.database] = None
    return Needs(
        version=dialect_of(task.engine).least_version(header.engine_version or ""), extensions=tuple(extensions),
        databases=tuple(databases), only=header.databases[0] if len(header.databases) == 1 else None,
        trusted=task.how.trusted,
    )  # fmt: skip


def _begun(opened: Opened, task: _Task, steps: Steps) -> tuple[EngineRestore, str | None]:
    """A restore that can begin, and the version of its private server."""
    how = task.how
    needs = _needs(task)
    making = Making(
        workers=how.workers,
        encoding=task.header.encoding,
        several=bool(needs.databases),
        walled=how.walled,
        of_kin=task.engine is not task.engine.family,
    )
    if task.server is not None:
        naming = Naming(how.prefix, opened.name, how.now or datetime.now(UTC), None if needs.databases else needs.only)
        restore = server_of(task.server.engine).shared(task.server, naming, making)
        with steps.step("look at the server"):
            require(task.server.label, restore.host.shortfalls(needs))
        return restore, None
    served = server_of(task.engine)
    binaries = find_binaries(served.installed, needs.version, how.server_bin)
    with steps.step("start a private server"):
        restore = served.private(binaries, how.opening.work_folder, making)
    try:
        require(f"the private server, version {binaries.words}", restore.host.shortfalls(needs))
    except BaseException as error:
        _abandon(restore, error)
        raise
    return restore, binaries.words


def _on_server(opened: Opened, task: _Task, kept: tuple[Steps, Tally]) -> Rehearsal:
    steps, tally = kept
    how = task.how
    plain = opened.plain_estimate
    expected = None if plain is None else int(plain * ROOM_FACTOR) + SERVER_ROOM
    if task.server is None and expected is not None:
        require_room(how.opening.work_folder or Path(tempfile.gettempdir()), expected, "the side copy")
    restore, version = _begun(opened, task, steps)
    if task.server is None and not how.walled:
        steps.findings.append(UNCONFINED.at(file=opened.name))
    kept_side = how.keep is not None and task.server is not None
    try:
        if how.announce is not None:
            how.announce(expected, task.server.label if task.server else restore.host.location)
        with steps.step("read and restore"):
            steps.findings += _restored(opened, restore, tally, task)
        with steps.step("the engine's own checks"):
            steps.findings += [opened.weighed(finding) for finding in restore.checked()]
        with steps.step("compare the objects"):
            unlike, objects = _held_objects(task, restore, steps.findings)
            steps.findings += [opened.weighed(finding) for finding in unlike]
        side = Side(
            kind="server" if task.server else "private", location=restore.host.location,
            engine=task.engine.family.value, engine_version=version or restore.version, kept=kept_side,
            confined=restore.host.walls,
        )  # fmt: skip
        # The report lists tables as the backup has them.
        order = {name: place for place, name in enumerate(tally.tables)}  # workers end in any order
        arrived = sorted(restore.rows.items(), key=lambda item: order.get(item[0], len(order)))
        tables = tuple(_summary(tally, name, rows) for name, rows in arrived)
        # Closed before it is handed over: a server drops and renames no database that somebody is connected to.
        restore.close()
        if kept_side:
            restore.host.hand_over()
    except BaseException as error:
        _abandon(restore, error)
        raise
    if not kept_side:
        with steps.step("drop the side copy" if task.server else "remove the private server"):
            restore.host.remove()
    return Rehearsal(
        name=opened.name,
        format=opened.form,
        engine=task.engine.value,
        kind=tally.kind(copied=False),
        side=side,
        space_expected_bytes=expected,
        steps=tuple(steps.done),
        tables=tables,
        not_rehearsed=tuple(_refused(restore)),
        objects=objects,
    )


def _abandon(restore: EngineRestore, error: BaseException) -> None:
    """Remove what was made; raises what the error comes from, where that says nothing of the backup."""
    restore.abandon()
    if isinstance(error, Exception) and (cause := restore.host.stopped or outside(error)) is not None:
        raise cause from error


_OF_TABLES = frozenset({"table", "column", "default", "comment", "grant", "owner", "role"})


def _held_objects(
    task: _Task, restore: EngineRestore, findings: Sequence[Finding]
) -> tuple[list[Finding], dict[str, int]]:
    """What the backup defines and the side copy lacks; and what it has besides tables, counted by kind.

    Nothing of either where statements failed: that was told in their place.
    """
    lacking: list[Finding] = []
    counts: Counter[str] = Counter()
    if any(finding.severity is not Severity.NOTE for finding in findings):
        return [], {}
    for database, objects in task.objects.found.items():
        side = restore.objects(database)
        counts.update(key.kind for key in objects if key in side and key.kind not in _OF_TABLES)
        lacking += [
            fault(
                "object-missing",
                f"{item.key.label}: the backup defines it, and the side copy lacks it, though no statement failed",
                "look for a later statement in the backup that takes it away again",
            )
            for item in (restored_objects(objects, side) if side else ())
        ]
    return lacking, dict(sorted(counts.items()))


UNCONFINED = doubt(
    "unconfined",
    "the private server had no walls, as was asked for: code of the backup could reach what its user may reach",
    "leave --unconfined away; docs/security.md says what walls need",
)


def _refused(restore: EngineRestore) -> Iterator[NotRehearsed]:
    for kind, name in restore.refused:
        yield NotRehearsed(kind=kind, name=name, reason="the guard keeps it from running")


def _restored(opened: Opened, restore: EngineRestore, tally: Tally, task: _Task) -> Iterator[Finding]:
    how = task.how
    for event in followed(opened.events(), opened, how.progress):
        tally.take(event)
        if isinstance(event, Finding):
            yield event
            continue
        if isinstance(event, Entry):
            task.objects.take(event, task.engine)
        failed = False
        for finding in restore.take(event):
            failed = failed or finding.severity is Severity.FAULT
            yield opened.placed(finding)
        if failed and how.stop_at_first:
            return
    for entry in opened.reader.implied() if opened.reader else ():
        for finding in restore.take(entry):
            yield opened.placed(finding)
    yield from (opened.weighed(finding) for finding in restore.summary())
    yield from misfits(opened, tally)


def _summary(tally: Tally, name: Name, rows: int) -> TableSummary:
    known = tally.tables.get(name)
    columns = known.columns or () if known else ()
    return TableSummary(
        database=name.database, schema=name.schema, name=name.name, columns=tuple(column.name for column in columns),
        column_types=tuple(column.type for column in columns), rows=rows,
    )  # fmt: skip


def _nothing(opened: Opened) -> Rehearsal:
    return Rehearsal(
        name=opened.name, format=opened.form, engine=None, kind=None, side=None, space_expected_bytes=None, steps=(),
        tables=(), not_rehearsed=(),
    )  # fmt: skip


def _evidence(opened: Opened, findings: list[Finding], tally: Tally) -> tuple[Rung, ...]:
    """A sound restore on the engine itself proves what an embedded side copy would, and more."""
    if opened.form is None:
        return (Rung.PRESENT,)
    found = [Rung.PRESENT, Rung.IDENTIFIED]
    if verdict_of(tally.findings) is Verdict.SOUND:
        found.append(Rung.INTACT)
    if verdict_of(findings) is Verdict.SOUND:
        found += [Rung.LOADED, Rung.RESTORED, Rung.CONSISTENT]
    return tuple(found)

"""Restores a backup on a throw-away server of its own engine, has the engine check it, times it, removes it."""

from __future__ import annotations

import re
import time
from collections.abc import Iterator, Sequence
from pathlib import Path

from sospes.formats.archive.reader import ArchiveReader
from sospes.formats.opening import Opened, open_backup, require_room
from sospes.formats.script.reader import ScriptReader
from sospes.model.entries import Engine, Name
from sospes.model.errors import CannotCheck
from sospes.model.events import Header
from sospes.model.findings import Finding, verdict_of
from sospes.model.verdict import Rung, Severity, Verdict
from sospes.sides.embedded.keys import NotRehearsed
from sospes.sides.servers.binaries import find_binaries
from sospes.sides.servers.restoring import EngineRestore, Making, private_restore
from sospes.stream.containers import Block
from sospes.work.damage import condensed
from sospes.work.describe import followed, misfits
from sospes.work.outcome import Outcome, TableSummary
from sospes.work.rehearse import Rehearsal, Rehearsing, Side, Steps
from sospes.work.tally import Tally

ROOM_FACTOR = 2.5
"""Bytes of a restored database for each byte of plain text: rows, indexes, and the server's own files."""

SERVER_ROOM = 200 << 20
_MAJOR = re.compile(r"\d+")


def rehearse_privately(paths: Sequence[Path], how: Rehearsing) -> Outcome[Rehearsal]:
    """Restore the backup in `paths` on a private server.

    Raises CannotCheck where no fitting server is installed, NoRoom before anything is written.
    """
    begin = time.perf_counter()
    opened = open_backup(paths, how.opening)
    header = stated_header(opened)
    engine = header.engine if header else None
    if opened.form is not None and engine not in {Engine.POSTGRESQL, Engine.MARIADB, Engine.MYSQL}:
        raise CannotCheck(
            f"{opened.name}: is a backup of {engine.value if engine else 'an unknown engine'}, which has no server",
            "rehearse it in an embedded side copy: --side embedded",
        )
    findings: list[Finding] = []
    steps = Steps(findings)
    tally = Tally()
    rehearsal = None
    if opened.form is not None and engine is not None:
        rehearsal = _on_server(opened, how, engine, (steps, tally))
    else:
        findings += [event for event in opened.events() if isinstance(event, Finding)]
    return Outcome(
        name=opened.name,
        findings=tuple(condensed(findings)),
        evidence=_evidence(opened, findings, tally),
        result=rehearsal or _nothing(opened),
        seconds=time.perf_counter() - begin,
    )


def stated_header(opened: Opened) -> Header | None:
    """What the head of a backup says of itself, before it is read."""
    if isinstance(opened.reader, ScriptReader):
        reader = ScriptReader(iter([Block(opened.head.plain, 0, 0)]), opened.reader.settings.lexis, lambda _: False)
        for _ in reader.events():
            pass  # a head ends anywhere, so what it lacks is no finding
        return reader.header
    return opened.reader.header if opened.reader else None


def _least_version(header: Header, engine: Engine) -> tuple[int, ...]:
    """The version that a server needs at least: the major one of the server that the backup is from."""
    numbers = [int(number) for number in _MAJOR.findall(header.engine_version or "")]
    if engine is Engine.POSTGRESQL:
        return tuple(numbers[:1])
    return tuple(numbers[:2]) if engine is Engine.MARIADB else ()


def _on_server(opened: Opened, how: Rehearsing, engine: Engine, kept: tuple[Steps, Tally]) -> Rehearsal:
    steps, tally = kept
    header = stated_header(opened)
    least = _least_version(header, engine) if header else ()
    served = Engine.MARIADB if engine is Engine.MYSQL else engine
    binaries = find_binaries(served, least, how.server_bin)
    plain = opened.plain_estimate
    expected = None if plain is None else int(plain * ROOM_FACTOR) + SERVER_ROOM
    with steps.step("start a private server"):
        making = Making(workers=how.workers, encoding=header.encoding if header else None)
        restore = private_restore(served, binaries, how.opening.work_folder, making)
    try:
        if how.announce is not None:
            how.announce(expected, restore.location)
        if expected is not None and restore.folder is not None:
            require_room(restore.folder, expected, "the side copy")
        with steps.step("read and restore"):
            steps.findings += _restored(opened, restore, tally, how)
        with steps.step("the engine's own checks"):
            steps.findings += [finding.at(file=opened.name) for finding in restore.checked()]
        side = Side(
            kind="private", location=restore.location, engine=served.value, engine_version=binaries.words, kept=False
        )
        tables = tuple(_summary(tally, name, rows) for name, rows in restore.rows.items())
    except BaseException:
        restore.abandon()
        raise
    restore.close()
    with steps.step("remove the private server"):
        restore.remove()
    return Rehearsal(
        name=opened.name,
        format=opened.form,
        engine=engine.value,
        kind=tally.kind(copied=False),
        side=side,
        space_expected_bytes=expected,
        steps=tuple(steps.done),
        tables=tables,
        not_rehearsed=(*_refused(restore), *_left_out(opened, tally)),
    )


def _refused(restore: EngineRestore) -> Iterator[NotRehearsed]:
    for kind, name in restore.refused:
        yield NotRehearsed(kind=kind, name=name, reason="the guard keeps it from running")


def _left_out(opened: Opened, tally: Tally) -> Iterator[NotRehearsed]:
    """The data of large objects stand in an archive as bytes, and in a script as statements."""
    if isinstance(opened.reader, ArchiveReader):
        for kind, name in tally.objects:
            if kind == "large object":
                reason = "its data were read and checked, and are not restored from an archive"
                yield NotRehearsed(kind=kind, name=name.name, reason=reason)


def _restored(opened: Opened, restore: EngineRestore, tally: Tally, how: Rehearsing) -> Iterator[Finding]:
    for event in followed(opened.events(), opened, how.progress):
        tally.take(event)
        if isinstance(event, Finding):
            yield event
            continue
        failed = False
        for finding in restore.take(event):
            failed = failed or finding.severity is Severity.FAULT
            yield opened.placed(finding)
        if failed and how.stop_at_first:
            return
    if isinstance(opened.reader, ArchiveReader):
        for entry in opened.reader.ownership():
            for finding in restore.take(entry):
                yield opened.placed(finding)
    yield from (finding.at(file=opened.name) for finding in restore.summary())
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

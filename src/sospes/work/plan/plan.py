"""Plans a restore from what lies in some places: heads are read, and nothing is restored."""

from __future__ import annotations

import time
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from datetime import datetime
from pathlib import Path

from sospes.formats.form import Glance
from sospes.formats.opening import Opening, open_backup
from sospes.formats.planning import Cluster, Physicals
from sospes.model.entries import ContentsEntry, Entry
from sospes.model.errors import NotFound, SospesError, UsageError
from sospes.model.events import Window
from sospes.model.findings import Finding, Place, doubt, note, some
from sospes.model.kinds import Kind
from sospes.model.lineage import Lineages
from sospes.model.moments import Moment, MomentKind, time_of
from sospes.model.outcome import Outcome
from sospes.model.planning import Moments, Need, Part, RestorePlan
from sospes.model.verdict import Rung
from sospes.work.survey.heads import Head, read_heads
from sospes.work.survey.walking import candidates

NAMED = 6
_NEEDED = {Kind.EXTENSION: "extension", Kind.TABLESPACE: "tablespace"}


@dataclass(frozen=True, slots=True, kw_only=True)
class Planned:
    """What is to be planned: the database that is wanted, and the moment; None for any, and for the newest state."""

    opening: Opening
    database: str | None = None
    moment: Moment | None = None


@dataclass(frozen=True, slots=True)
class _Whole:
    """Backups of one lineage that need nothing else, oldest first."""

    lineage: str
    databases: frozenset[str]
    heads: tuple[Head, ...]


def plan(places: Sequence[Path], wanted: Planned) -> Outcome[RestorePlan]:
    """The restore of a database to a moment, from what lies in some places.

    Raises NotFound for a place or a database that isn't there, UsageError where several databases could be meant, and
    for a moment before all that can be reached.
    """
    begin = time.perf_counter()
    findings: list[Finding] = []
    clusters, wholes = _found(places, wanted, findings)
    known: list[Cluster | _Whole] = [*clusters, *wholes]
    choices = [one for one in known if _has(one, wanted.database)]
    if not choices:
        raise _nothing(places, wanted, known)
    planned, others = _planned(choices, wanted)
    findings += planned.findings
    if wanted.database is not None and wanted.database not in planned.databases:
        said = f"whether the database {wanted.database} is in it, the heads of these backups don't tell"
        findings.append(doubt("database-unseen", said, f"sospes inspect --contents {planned.parts[0].path} tells"))
    if others:
        said = f"it is in other backups, too: {some([one.lineage for one in others], NAMED)}"
        findings.append(note("also-elsewhere", said))
    return Outcome(
        name=", ".join(map(str, places)),
        findings=tuple(findings),
        evidence=(Rung.PRESENT, Rung.IDENTIFIED),
        result=replace(planned, findings=()),
        seconds=time.perf_counter() - begin,
    )


def _found(places: Sequence[Path], wanted: Planned, findings: list[Finding]) -> tuple[list[Cluster], list[_Whole]]:
    """The clusters with base backups, and the lineages of backups that need nothing else."""
    physicals = Physicals()
    rest = []
    for candidate in candidates(places, findings):
        if candidate.folder:
            if not physicals.take_folder(candidate.paths[0]):
                rest.append(candidate)
            continue
        taken = [physicals.take_file(path) for path in candidate.paths]
        if not all(taken):
            rest.append(candidate)
    heads = [head for head in read_heads(rest, wanted.opening, None, fresh=True) if head.head.engine and not head.role]
    whole = [head for head in heads if not head.physical and head.head.kind in {"full", None}]
    known = Lineages()
    groups: dict[str, list[Head]] = {}
    for head in sorted(whole, key=_written):
        groups.setdefault(known.of(head.head.origin(head.candidate.paths[0])), []).append(head)
    wholes = [
        _Whole(name, frozenset(database for head in found for database in head.head.databases), tuple(found))
        for name, found in groups.items()
    ]
    return physicals.clusters(), wholes


def _has(one: Cluster | _Whole, database: str | None) -> bool:
    """Whether backups may have a database; a cluster's tars have their catalog anywhere."""
    return database is None or database in one.databases or (isinstance(one, Cluster) and not one.databases)


def _written(head: Head) -> datetime:
    return time_of(head.head.written_at) or datetime.fromtimestamp(head.candidate.changed).astimezone()


def _nothing(places: Sequence[Path], wanted: Planned, known: Sequence[Cluster | _Whole]) -> SospesError:
    if wanted.database is None or not known:
        return NotFound(
            f"{', '.join(map(str, places))}: no backup that anything can be restored from",
            "sospes survey tells what lies there",
        )
    names = sorted({database for one in known for database in one.databases})
    unnamed = [one.lineage for one in known if not one.databases]
    also = f"; {some(unnamed, 3)} don't name theirs: name the file itself" if unnamed else ""
    return NotFound(
        f"no backup of a database called {wanted.database}", f"there are backups of {some(names, NAMED)}{also}"
    )


def _planned(choices: Sequence[Cluster | _Whole], wanted: Planned) -> tuple[RestorePlan, list[Cluster | _Whole]]:
    """The plan by the lineage that reaches best, and the other ones."""
    if wanted.database is None and len(choices) > 1:
        names = sorted(choice.lineage for choice in choices)
        databases = sorted({database for one in choices for database in one.databases})
        raise UsageError(
            f"there are backups of {len(choices)} databases or servers: {some(names, NAMED)}",
            f"say which one with --database: {some(databases, NAMED)}, or name the folder of one of them",
        )
    plans: list[tuple[RestorePlan, Cluster | _Whole]] = []
    refused: UsageError | None = None
    for one in choices:
        try:
            plans.append((_plan_by(one, wanted), one))
        except UsageError as error:
            refused = error
    if not plans:
        assert refused is not None
        raise refused
    servers = {plan.lineage for plan, one in plans if isinstance(one, Cluster)}
    if len(servers) > 1:
        raise UsageError(
            f"{wanted.database} is a database of several servers: {some(sorted(servers), NAMED)}",
            "name the folder of one of them",
        )
    best = min(plans, key=lambda item: _badness(item[0], wanted.moment))
    return best[0], [one for plan, one in plans if plan is not best[0]]


def _plan_by(one: Cluster | _Whole, wanted: Planned) -> RestorePlan:
    if isinstance(one, Cluster):
        return one.planning.plan(wanted.moment, one.lineage)
    return _by_whole(one, wanted)


def _badness(planned: RestorePlan, moment: Moment | None) -> tuple[bool, float]:
    """Whether something is in doubt; then how old what is reached is."""
    doubtful = any(finding.severity.verdict for finding in planned.findings)
    reached = time_of(planned.would_reach.time)
    return doubtful, -reached.timestamp() if reached is not None and moment is None else 0.0


def _by_whole(one: _Whole, wanted: Planned) -> RestorePlan:
    """The plan for backups that need nothing else: the newest one that was written before the moment."""
    moment = wanted.moment
    if moment is not None and moment.kind is not MomentKind.TIME:
        raise UsageError(
            f"{moment.words}: {one.lineage} has no log that this moment could be in",
            "name a time, or a place with base backups and logs",
        )
    fitting = [head for head in one.heads if moment is None or moment.time is None or _written(head) <= moment.time]
    if not fitting:
        raise UsageError(
            f"{moment.words if moment else ''}: is before all that can be reached, which begins at "
            f"{_written(one.heads[0]).isoformat(timespec='seconds')}",
            "name a later moment, or a place with older backups",
        )
    usable = [head for head in fitting if head.head.problem is None and head.head.complete is not False]
    chosen = (usable or fitting)[-1]
    path = chosen.candidate.paths[0]
    glance, contents, findings = _glanced(chosen, wanted)
    written = _written(chosen)
    if chosen.head.problem is not None:
        findings.append(doubt("backup-in-doubt", f"{path}: {chosen.head.problem}", f"sospes verify {path} tells more"))
    if chosen.head.written_at is None:
        findings.append(note("undated", f"{path} doesn't say when it was written: its file's time counts"))
    if moment is not None and moment.time is not None and written < moment.time:
        findings.append(
            doubt(
                "moment-past-end",
                f"{moment.words} can't be reached: {path} holds the state of {written.isoformat(timespec='seconds')}, "
                "and no log follows it",
                "take it as the nearest state before the moment, or name a place with base backups and logs",
                Place(file=str(path)),
            )
        )
    begin = _written(one.heads[0]).isoformat(timespec="seconds")
    end = _written(one.heads[-1]).isoformat(timespec="seconds")
    reached = written.isoformat(timespec="seconds")
    return RestorePlan(
        format=chosen.head.format,
        engine=chosen.head.engine,
        lineage=one.lineage,
        databases=chosen.head.databases,
        parts=(
            Part(
                path=str(path), kind=chosen.head.kind or "full", role="everything", from_=None, to=reached,
                size_bytes=chosen.candidate.size_bytes,
            ),
        ),
        missing=(),
        window=Window(from_=begin, to=end),
        would_reach=Moments(time=reached, lsn=None),
        consistent_at=None,
        needs=tuple(_needs(chosen, glance, contents)),
        needs_known=glance.entries is not None,
        space_bytes=None,
        findings=tuple(findings),
    )  # fmt: skip


def _glanced(chosen: Head, wanted: Planned) -> tuple[Glance, tuple[ContentsEntry, ...] | None, list[Finding]]:
    """What the chosen backup's head says in full."""
    opened = open_backup(chosen.candidate.paths, replace(wanted.opening, head_only=True))
    assert opened.reader is not None
    glance = opened.reader.glance()
    return (
        glance,
        opened.reader.contents,
        [finding.at(file=opened.name) for finding in (*opened.findings, *glance.findings)],
    )


def _needs(chosen: Head, glance: Glance, contents: Sequence[ContentsEntry] | None) -> Iterator[Need]:
    """What the target must have, as far as the head tells."""
    if chosen.head.engine_version:
        yield Need(kind="server", name=f"{chosen.head.engine} {chosen.head.engine_version} or newer")
    entries: Sequence[Entry] = glance.entries or ()
    for kind, word in _NEEDED.items():
        for name in sorted({entry.name.name for entry in entries if entry.kind == kind}):
            yield Need(kind=word, name=name)
    for role in sorted({entry.owner for entry in contents or () if entry.owner}):
        yield Need(kind="role", name=role)

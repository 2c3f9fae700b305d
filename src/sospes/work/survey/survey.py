"""Surveys places: what lies there, of which databases, how old, how spread over time, and what is missing."""

from __future__ import annotations

import re
import time
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field, replace
from datetime import datetime
from pathlib import Path

from sospes.formats.opening import Opening
from sospes.model.errors import UsageError
from sospes.model.findings import Finding, Place, doubt, fault, note, some
from sospes.model.lineage import Lineages
from sospes.model.outcome import Outcome
from sospes.model.spans import Spread
from sospes.model.verdict import Rung, Severity
from sospes.places.volumes import Volume, Volumes
from sospes.sides.registry import data_folders
from sospes.work.ledger.store import Ledger
from sospes.work.survey.copies import alike
from sospes.work.survey.heads import Head, read_heads
from sospes.work.survey.lineages import Against, Lineage, Member, dated, grouped, lineage_of
from sospes.work.survey.walking import candidates

GROWS_WITHIN_SECONDS = 120
"""Files that were changed no longer ago are looked at twice."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Surveyed:
    """One backup that was found. Unknown is None; sizes in bytes, times in ISO 8601.

    reason   why it could not be identified, or is not checked
    same_as  the path of another copy; `same` says how sure that is: `bytes` or `samples`
    proven   the highest rung that the ledger has for its bytes, as far as it knows them
    """

    path: str
    pieces: int
    format: str | None
    engine: str | None
    engine_version: str | None
    kind: str | None
    databases: tuple[str, ...]
    written_at: str | None
    complete: bool | None
    compression: str | None
    size_bytes: int
    lineage: str | None
    reason: str | None
    sealed: bool
    growing: bool
    volume: str | None
    same_as: str | None = None
    same: str | None = None
    proven: str | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Survey:
    """All that was found, what needs a hand first; files that nobody can identify come last among the backups."""

    places: tuple[str, ...]
    backups: tuple[Surveyed, ...]
    lineages: tuple[Lineage, ...]
    size_bytes: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Surveying:
    """How to survey.

    spread    how backups are wanted to be spread over time
    ledger    remembers heads and digests, and knows lineages; None does without
    fresh     nothing that is remembered counts
    data      folders with databases in use, beside those of servers that run here
    now       the time that ages count from
    pause     waits some seconds, where files may still grow
    """

    opening: Opening
    now: datetime
    spread: Spread = field(default_factory=Spread)
    ledger: Ledger | None = None
    fresh: bool = False
    data: Sequence[Path] = ()
    pause: Callable[[float], None] = time.sleep


@dataclass(frozen=True, slots=True)
class Gathered:
    """What lies in some places: heads of backups, and of what belongs to them."""

    members: list[Member]
    strangers: list[Head]
    seals: frozenset[str]
    growing: frozenset[str]
    findings: list[Finding]
    lineages: dict[str, list[Member]]
    volumes: Volumes


def gather(places: Sequence[Path], how: Surveying) -> Gathered:
    """Walk places, read heads, and put them together by lineage. Raises NotFound for a place that isn't there."""
    findings: list[Finding] = []
    found = list(candidates(places, findings))
    heads = list(read_heads(found, how.opening, how.ledger, fresh=how.fresh))
    growing = _growing(heads, how)
    volumes = Volumes()
    members, strangers = [], []
    for head in heads:
        if head.role:
            continue
        if head.head.engine is None:
            strangers.append(head)
            continue
        when, stated = dated(head)
        path = str(head.candidate.paths[0])
        volume = _volume(volumes, head)
        members.append(Member(head=head, dated=when, stated=stated, volume=volume, growing=path in growing))
    known = how.ledger.lineages() if how.ledger is not None else Lineages()
    seals = frozenset(str(head.candidate.paths[0]) for head in heads if head.role == "seal")
    return Gathered(members, strangers, seals, growing, findings, grouped(members, known), volumes)


def survey(places: Sequence[Path], how: Surveying) -> Outcome[Survey]:
    """Survey some places. Raises NotFound where one isn't there, UsageError where there is nothing at all in them."""
    begin = time.perf_counter()
    gathered = gather(places, how)
    if not gathered.members and not gathered.strangers:
        raise UsageError(f"{', '.join(map(str, places))}: no files at all", "name the folder that the backups go to")
    proven = _proven(how.ledger, gathered.members)
    against = Against(
        now=how.now, spread=how.spread, data=_data_volumes(gathered.volumes, how), proven=proven
    )  # fmt: skip
    lineages = [lineage_of(name, members, against) for name, members in gathered.lineages.items()]
    names = {member.path: name for name, members in gathered.lineages.items() for member in members}
    same = alike([member.head for member in gathered.members])
    backups = [_surveyed(member.head, gathered, names, member) for member in gathered.members]
    backups = [
        replace(backup, same_as=same.get(backup.path, (None, None))[0], same=same.get(backup.path, (None, None))[1],
                proven=proven.get(backup.path))
        for backup in backups
    ]  # fmt: skip
    strangers = [_surveyed(head, gathered, names, None) for head in gathered.strangers]
    lineages.sort(key=_urgency)
    order = {lineage.id: number for number, lineage in enumerate(lineages)}
    backups.sort(key=lambda backup: (order[backup.lineage or ""], backup.path))
    findings = [*gathered.findings, *_stranger_findings(gathered), *_told(lineages)]
    return Outcome(
        name=", ".join(map(str, places)),
        findings=tuple(findings),
        evidence=(Rung.PRESENT, Rung.IDENTIFIED) if backups else (Rung.PRESENT,),
        result=Survey(
            places=tuple(map(str, places)),
            backups=(*backups, *strangers),
            lineages=tuple(lineages),
            size_bytes=sum(backup.size_bytes for backup in (*backups, *strangers)),
        ),
        seconds=time.perf_counter() - begin,
    )


def _told(lineages: Sequence[Lineage]) -> Iterator[Finding]:
    """The findings of all lineages, each with its name; what is alike for all of them once."""
    for lineage in lineages:
        for finding in lineage.findings:
            if finding.severity is not Severity.NOTE:
                yield replace(finding, message=f"{lineage.id}: {finding.message}")
    notes: dict[tuple[str, str], list[tuple[Lineage, Finding]]] = {}
    for lineage in lineages:
        for finding in lineage.findings:
            if finding.severity is Severity.NOTE:
                notes.setdefault((finding.code, finding.message), []).append((lineage, finding))
    for said in notes.values():
        whose = said[0][0].id if len(said) == 1 else f"{len(said):,} lineages"
        yield replace(said[0][1], message=f"{whose}: {said[0][1].message}")


def _urgency(lineage: Lineage) -> tuple[int, bool, str, str]:
    """What needs a hand comes first: faults, doubts, nothing to restore from, then the oldest."""
    worst = max((finding.severity.verdict for finding in lineage.findings), default=0)
    return (-int(worst), lineage.newest is not None, lineage.newest_at or "", lineage.id)


def _surveyed(head: Head, gathered: Gathered, names: dict[str, str], member: Member | None) -> Surveyed:
    path = str(head.candidate.paths[0])
    found = head.head
    volume = member.volume if member is not None else _volume(gathered.volumes, head)
    return Surveyed(
        path=path,
        pieces=len(head.candidate.paths),
        format=found.format,
        engine=found.engine,
        engine_version=found.engine_version,
        kind=found.kind,
        databases=found.databases,
        written_at=found.written_at,
        complete=found.complete,
        compression=found.compression,
        size_bytes=head.candidate.size_bytes,
        lineage=names.get(path),
        reason=head.reason,
        sealed=f"{path}.seal" in gathered.seals,
        growing=path in gathered.growing,
        volume=volume.label if volume is not None else None,
    )


def _volume(volumes: Volumes, head: Head) -> Volume | None:
    try:
        return volumes.of(head.candidate.paths[0])
    except OSError:
        return None


def _growing(heads: Sequence[Head], how: Surveying) -> frozenset[str]:
    """The files that have grown since they were found, of those that were written to a short while ago."""
    fresh = [head for head in heads if how.now.timestamp() - head.candidate.changed < GROWS_WITHIN_SECONDS]
    if not fresh:
        return frozenset()
    how.pause(1.0)
    found = set()
    for head in fresh:
        paths = [head.candidate.paths[-1]] if not head.candidate.folder else []
        with_size = sum(path.stat().st_size for path in paths if path.exists())
        before = head.candidate.size_bytes - sum(
            path.stat().st_size for path in head.candidate.paths[:-1] if path.is_file()
        )
        if paths and with_size != before:
            found.add(str(head.candidate.paths[0]))
    return frozenset(found)


def _data_volumes(volumes: Volumes, how: Surveying) -> dict[Volume, Path]:
    """The volumes that databases in use lie on."""
    found = {}
    for folder in [*how.data, *data_folders()]:
        try:
            found[volumes.of(folder)] = folder
        except OSError as error:
            if folder in how.data:
                raise UsageError(f"{folder}: {error.strerror}", "check the folder after --data-folder") from error
    return found


def _proven(ledger: Ledger | None, members: Sequence[Member]) -> dict[str, str]:
    """The highest rung of each backup whose digest is remembered."""
    if ledger is None or not ledger.exists:
        return {}
    return ledger.rungs({member.path: member.head.digest for member in members if member.head.digest})


_DIGITS = re.compile(r"\d+")


def _shape(path: Path) -> tuple[Path, str]:
    """Where a file lies, and its name without what changes from night to night."""
    return path.parent, _DIGITS.sub("0", path.name)


def unlike_others(strangers: Sequence[Head], members: Sequence[Member]) -> Iterator[Finding]:
    """Files that nobody can identify and that are named like the backups beside them: they were meant to be some."""
    shapes = {_shape(member.head.candidate.paths[0]) for member in members}
    for head in strangers:
        path = head.candidate.paths[0]
        if _shape(path) in shapes and not head.hindered:
            make = fault if head.head.certain else doubt
            yield make(
                "backup-unlike-others",
                f"{path.name} is named like the backups beside it: {head.reason}",
                "take that backup again, if there is still time for it",
                Place(file=str(path)),
            )


def hindered(strangers: Sequence[Head]) -> Iterator[Finding]:
    """Files that could not be read, of which nobody knows what they are."""
    unread = [head for head in strangers if head.hindered]
    if unread:
        path = str(unread[0].candidate.paths[0])
        count = f" and {len(unread) - 1:,} more" if len(unread) > 1 else ""
        yield doubt(
            "file-unreadable",
            f"{unread[0].reason}{count}: what they are, nobody knows",
            "run this as a user who may read them",
            Place(file=path),
        )


def _stranger_findings(gathered: Gathered) -> Iterator[Finding]:
    """Files that nobody can identify."""
    meant = list(unlike_others(gathered.strangers, gathered.members))
    yield from meant
    yield from hindered(gathered.strangers)
    told = {finding.place.file for finding in meant} | {
        str(head.candidate.paths[0]) for head in gathered.strangers if head.hindered
    }
    others = [path.name for head in gathered.strangers if str(path := head.candidate.paths[0]) not in told]
    if others:
        yield note(
            "unidentified", f"{len(others):,} files are of no known form: {some(others, 3)}", "the list below says why"
        )

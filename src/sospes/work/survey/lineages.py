"""Puts heads together: which backups are of one database, and what each lineage has and lacks."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from pathlib import Path

from sospes.model.events import Gap, Window
from sospes.model.findings import Finding, Place, doubt, fault, note, some
from sospes.model.lineage import Lineages, Origin
from sospes.model.moments import offset_of, position, time_of
from sospes.model.spans import Spread
from sospes.places.volumes import Volume
from sospes.work.survey.heads import Head

MOST_NAMED = 4


@dataclass(frozen=True, slots=True, kw_only=True)
class Kept:
    """How many periods of a kind are wanted to have a backup, and how many have one."""

    wanted: int
    there: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Member:
    """A backup of a lineage, and what is known of where it lies.

    dated   when it was written; the file's own time where `stated` is False
    volume  None where it could not be told
    builds_on_lost  of an incremental one: where the backup begins that is missing of its chain; None if none is
    """

    head: Head
    dated: datetime
    stated: bool
    volume: Volume | None
    growing: bool = False
    builds_on_lost: str | None = None

    @property
    def path(self) -> str:
        """Its path; of pieces that of the first one."""
        return str(self.head.candidate.paths[0])

    @property
    def origin(self) -> Origin:
        """Whose backup it is."""
        return self.head.head.origin(self.head.candidate.paths[0])

    @property
    def order(self) -> tuple[datetime, int, str]:
        """By time; those of one second by where they begin in the log, if they are of one server."""
        return self.dated, offset_of(self.head.head.log_from or "") or 0, self.path

    @property
    def is_restorable(self) -> bool:
        """Whether it is a full backup, or an incremental one that all is there of what it builds on."""
        kind = self.head.head.kind
        return kind in {"full", None} or (kind == "incremental" and self.builds_on_lost is None)

    @property
    def is_whole(self) -> bool:
        """Whether a database can be restored from it, as far as its head tells."""
        usable = self.is_restorable and self.head.head.complete is not False
        return usable and not self.growing and self.head.head.problem is None


@dataclass(frozen=True, slots=True, kw_only=True)
class Lineage:
    """All backups of one database, or of one server. Times in ISO 8601 with zone; sizes in bytes.

    system         what tells its server from others
    newest         the path of its newest backup that a database can be restored from
    newest_stated  whether newest_at is what the backup says, and no file's time
    newest_proven  the highest rung that the ledger has for the newest one's bytes
    unchecked      all of it is only recognised
    """

    id: str
    engine: str | None
    system: str | None
    databases: tuple[str, ...]
    backups: int
    kinds: tuple[str, ...]
    size_bytes: int
    newest: str | None
    newest_at: str | None
    newest_stated: bool
    newest_proven: str | None
    window: Window
    gaps: tuple[Gap, ...]
    spread: dict[str, Kept]
    volumes: tuple[str, ...]
    unchecked: bool
    findings: tuple[Finding, ...]


def dated(head: Head) -> tuple[datetime, bool]:
    """When a backup was written, and whether it says so itself."""
    stated = time_of(head.head.written_at)
    return (stated, True) if stated is not None else (datetime.fromtimestamp(head.candidate.changed, UTC), False)


def grouped(members: Sequence[Member], known: Lineages) -> dict[str, list[Member]]:
    """The members of each lineage, oldest first. `known` are those of the ledger, whose names are kept."""
    groups: dict[str, list[Member]] = {}
    for member in sorted(members, key=lambda member: member.order):
        groups.setdefault(known.of(member.origin), []).append(member)
    return {name: _chained(found) for name, found in groups.items()}


def _chained(members: list[Member]) -> list[Member]:
    """The same, with what is missing of the chains of incremental ones, by positions in the log."""
    follows = {member.head.head.log_from: member.head.head.follows for member in members if member.head.head.log_from}

    def lost(member: Member) -> str | None:
        here, passed = member.head.head.follows, set()
        while here is not None and here in follows and here not in passed:
            passed.add(here)
            here = follows[here]
        return here

    return [replace(member, builds_on_lost=lost(member)) if member.head.head.follows else member for member in members]


@dataclass(frozen=True, slots=True, kw_only=True)
class Against:
    """What lineages are held against: the spread that is wanted, volumes with databases in use, rungs by path."""

    now: datetime
    spread: Spread
    data: Mapping[Volume, Path]
    proven: Mapping[str, str]


def lineage_of(name: str, members: Sequence[Member], against: Against) -> Lineage:
    """What a lineage has and lacks."""
    whole = [member for member in members if member.is_whole and member.head.head.kind != "log"]
    logs = [member for member in members if member.head.head.kind == "log"]
    newest = whole[-1] if whole else None
    wanted = list(against.spread.held_against((member.dated for member in whole), against.now))
    kept = {
        kind: Kept(
            wanted=sum(item.kind == kind for item in wanted),
            there=sum(item.kind == kind and item.there for item in wanted),
        )
        for kind in ("days", "weeks", "months", "years")
    }  # fmt: skip
    gaps = tuple(_gaps(logs))
    findings = [*_cut_off(members), *_broken_chains(members), *_growing(members), *_gap_findings(gaps)]
    findings += _unchecked(members)
    if missing := [item.name for item in wanted if not item.there]:
        findings.append(
            doubt(
                "backup-missing",
                f"no backup of {some(missing, 10)}",
                "find out why the job wrote none, or where it went",
            )
        )
    heads = [member.head.head for member in members]
    return Lineage(
        id=name,
        engine=next((head.engine for head in heads if head.engine), None),
        system=next((head.system for head in heads if head.system), None),
        databases=tuple(dict.fromkeys(database for head in heads for database in head.databases)),
        backups=len(members),
        kinds=tuple(sorted({head.kind or "unknown" for head in heads})),
        size_bytes=sum(member.head.candidate.size_bytes for member in members),
        newest=newest.path if newest else None,
        newest_at=_iso(newest.dated) if newest else None,
        newest_stated=newest is not None and newest.stated,
        newest_proven=against.proven.get(newest.path) if newest else None,
        window=Window(from_=_iso(whole[0].dated) if whole else None, to=_iso(whole[-1].dated) if whole else None),
        gaps=gaps,
        spread=kept,
        volumes=tuple(dict.fromkeys(member.volume.label for member in members if member.volume)),
        unchecked=all(member.head.physical for member in members),
        findings=(*findings, *_places(members, against.data)),
    )


def _iso(moment: datetime) -> str:
    return moment.isoformat(timespec="seconds")


def _cut_off(members: Sequence[Member]) -> Iterator[Finding]:
    """Backups that are not whole, the newest one by itself."""
    cut = [member for member in members if member.head.head.certain and not member.growing]
    if not cut:
        return
    newest = " the newest one is among them:" if len(cut) > 1 and cut[-1] is members[-1] else ""
    named = some([Path(member.path).name for member in reversed(cut)], MOST_NAMED)
    what = f"{len(cut):,} backups can't be restored as they are:{newest} {named}"
    yield fault(
        "backup-not-whole",
        f"{named}: {cut[0].head.head.problem}" if len(cut) == 1 else what,
        f"verify tells what is left of it: sospes verify {cut[-1].path}",
        Place(file=cut[-1].path),
    )


def _broken_chains(members: Sequence[Member]) -> Iterator[Finding]:
    """Incremental backups that can't be restored, as something that they build on is nowhere."""
    broken = [member for member in members if member.builds_on_lost is not None]
    if broken:
        named = some([Path(member.path).name for member in broken], MOST_NAMED)
        yield doubt(
            "chain-broken",
            f"{named}: the backup that begins at {broken[0].builds_on_lost} is nowhere, and they build on it",
            "look for it in other places; else take a full backup again",
            Place(file=broken[0].path),
        )


def _growing(members: Sequence[Member]) -> Iterator[Finding]:
    if growing := [member.path for member in members if member.growing]:
        yield note(
            "still-growing",
            f"still being written: {some(growing, MOST_NAMED)}",
            "look again once the backup program has ended",
        )


def _unchecked(members: Sequence[Member]) -> Iterator[Finding]:
    if physical := [member for member in members if member.head.physical]:
        named = some([Path(member.path).name for member in physical], MOST_NAMED)
        yield note("form-unchecked", f"{named}: {physical[0].head.reason}", "what Sospes can't read, it can't prove")


def _gaps(logs: Sequence[Member]) -> Iterator[Gap]:
    """Stretches between segments of one timeline that no file has."""
    placed: dict[int, dict[int, tuple[int, str]]] = {}
    for member in logs:
        if member.head.position is not None:
            timeline, begin, length = member.head.position
            placed.setdefault(timeline, {})[begin] = (length, member.path)
    for timeline, segments in sorted(placed.items()):
        before = None
        for begin in sorted(segments):
            if before is not None and before[0] < begin:
                yield Gap(
                    after=before[1], before=segments[begin][1],
                    from_=_position(timeline, before[0]), to=_position(timeline, begin),
                )  # fmt: skip
            before = (begin + segments[begin][0], segments[begin][1])


def _position(timeline: int, offset: int) -> str:
    return f"timeline {timeline}, {position(offset)}"


def _gap_findings(gaps: Sequence[Gap]) -> Iterator[Finding]:
    for gap in gaps[:MOST_NAMED]:
        yield doubt(
            "log-gap",
            f"the change log from {gap.from_} to {gap.to} is nowhere: nothing behind it can be reached from before it",
            "look for the missing files; else take a new full backup",
            Place(file=gap.after),
        )


def _places(members: Sequence[Member], data: Mapping[Volume, Path]) -> Iterator[Finding]:
    """Warns where one broken disk, or one lost machine, would take all copies, or the copies and the database."""
    volumes = {member.volume for member in members}
    if None in volumes or not volumes:
        return
    for volume in volumes & data.keys():
        if volume is not None:
            yield note(
                "beside-the-database",
                f"{volume.label} holds these backups and the database of a server in {data[volume]}",
                "keep a copy on another machine: one broken disk would take both",
            )
    if len(volumes) == 1:
        [only] = volumes
        yield note(
            "one-volume",
            f"all copies lie on {only.label if only else ''}",
            "keep a copy on another machine, and one elsewhere",
        )
    elif len({volume.host for volume in volumes if volume}) == 1:
        hosts = {volume.host for volume in volumes if volume}
        yield note("one-host", f"all copies lie on the machine {hosts.pop()}", "keep a copy on another machine")

"""Which base backup, increments and logs a restore to a moment would need, by heads alone."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path

from sospes.formats.base.chain import Parts
from sospes.formats.base.checking import Checking
from sospes.formats.base.names import Names
from sospes.formats.base.needed import needed
from sospes.formats.base.reader import NAME
from sospes.formats.wal.files import LogFile, Logs
from sospes.formats.wal.following import Times
from sospes.formats.wal.reader import LOOKED_AT, look_for_commits
from sospes.formats.wal.timelines import Way, file_at, newest_way
from sospes.model.errors import UsageError
from sospes.model.events import Window
from sospes.model.findings import Finding, doubt, note
from sospes.model.moments import Moment, MomentKind, assumed, iso, position, server_time, time_of
from sospes.model.planning import Missing, Moments, Need, Part, RestorePlan

_SEGMENT = 1 << 24
"""Bytes of a segment, where nothing says otherwise."""


@dataclass(frozen=True, slots=True)
class Candidate:
    """A base backup that a restore could begin with, or go on with.

    start    where it needs the log from, and `end` up to where before its files agree; None where only the log tells
    ended    when it ended, or began, where nothing says when it ended
    """

    path: Path
    read: Checking
    start: int
    end: int | None
    ended: datetime | None

    @property
    def follows(self) -> int | None:
        """Where the backup begins that it builds on."""
        label = self.read.label
        return label.follows[0] if label is not None and label.follows is not None else None

    @property
    def timeline(self) -> int:
        """The timeline that it ends on."""
        needs = needed(self.read)
        return needs.timelines[-1][0] if needs is not None else 1


class Planning:
    """Plans restores of one cluster from the backups and logs of it that there are.

    A backup whose head doesn't say of which cluster it is counts to `system` only if it is the only one.
    """

    def __init__(self, parts: Parts, system: int | None) -> None:
        self._logs = parts.logs if parts.logs is not None else Logs()
        self._system = system
        heads = [file.head for file in self._logs.files if system is None or file.head.system == system]
        sizes = [read.control.log_segment_size for _, read in parts.backups if read.control is not None]
        self._size = heads[0].size if heads else sizes[0] if sizes else _SEGMENT
        own = [(path, read) for path, read in parts.backups if read.system in {system, None}]
        self.candidates = sorted(filter(None, map(self._candidate, own)), key=lambda one: one.start)
        self._reaches: dict[tuple[int, int], int] = {}

    def plan(self, moment: Moment | None, lineage: str) -> RestorePlan:
        """The restore to a moment, or to the end of the logs. Raises UsageError for a moment before the window."""
        if moment is not None and moment.kind in {MomentKind.POSITION, MomentKind.GTID}:
            raise UsageError(
                f"{moment.words}: PostgreSQL's log has no such moments",
                "name a time, lsn=..., transaction=... or name=...",
            )
        chosen, below, lost = self._chosen(moment)
        way, files, missing, findings = self._logs_for(chosen, moment)
        chain = [*reversed(below), chosen]
        last = look_for_commits(tuple(reversed(files[-LOOKED_AT:])), first_only=False) if files else None
        end = files[-1].head.start + files[-1].head.size if files else chosen.end
        if last is not None and last.end is not None and not missing:
            end = last.end
        times = last.times if last is not None else Times()
        reach, told = self._reach(moment, chosen, end, times)
        findings += [*lost, *told]
        earliest = self._earliest(chosen)
        window = Window(
            from_=_iso(earliest.ended), to=iso(times.last) or _iso(chosen.ended),
            from_position=position(earliest.end or earliest.start),
            to_position=position(end) if end is not None else None,
        )  # fmt: skip
        names = Names(chain[0].read)
        return RestorePlan(
            format=NAME,
            engine="postgresql",
            lineage=lineage,
            databases=tuple(name for _, name in sorted(names.databases.items())),
            parts=(*map(self._backup_part, chain), *self._history_parts(way), *map(_log_part, files)),
            missing=(*missing, *(_missing_backup(one) for one in lost if one.code == "base-missing")),
            window=window,
            would_reach=reach,
            consistent_at=position(chosen.end) if chosen.end is not None else None,
            needs=tuple(self._needs(chain[0].read, names)),
            needs_known=bool(names.databases),
            space_bytes=_space(chain, files),
            findings=tuple(findings),
        )

    def _candidate(self, found: tuple[Path, Checking]) -> Candidate | None:
        path, read = found
        needs = needed(read)
        if needs is None:
            return None
        notes = [one for one, _ in self._logs.notes if one.start == needs.start]
        end = notes[0].end if notes else needs.end
        stated = (notes[0].ended_at if notes else None) or (read.label.started_at if read.label is not None else None)
        return Candidate(path, read, needs.start, end, time_of(stated))

    def _chosen(self, moment: Moment | None) -> tuple[Candidate, list[Candidate], list[Finding]]:
        """The newest backup that reaches a moment, and what it builds on; the newest one of all if none is whole."""
        fitting = [one for one in self.candidates if _is_before(one, moment)]
        if not fitting:
            first = self.candidates[0]
            raise UsageError(
                f"{moment.words if moment else ''}: is before all that can be reached, which begins at "
                f"{_iso(first.ended) or position(first.end or first.start)}",
                "name a later moment, or a place with older backups",
            )
        broken: tuple[Candidate, list[Candidate], list[Finding]] | None = None
        for one in reversed(fitting):
            below, lost = self._below(one)
            if not lost:
                passed = [] if broken is None else [_passed_over(broken[0], broken[2], moment)]
                return one, below, passed
            broken = broken or (one, below, lost)
        assert broken is not None
        return broken

    def _below(self, one: Candidate) -> tuple[list[Candidate], list[Finding]]:
        """What a backup builds on, the nearest first, and what of that is missing."""
        below: list[Candidate] = []
        here = one
        while here.follows is not None:
            found = [other for other in self.candidates if other.start == here.follows and other.start < here.start]
            if not found:
                begins = position(here.follows)
                said = f"{here.path} builds on the backup that begins at {begins}, which is nowhere among these places"
                return below, [doubt("base-missing", said, "name the place where it lies, too").at(file=begins)]
            here = found[0]
            below.append(here)
        return below, []

    def _way(self, chosen: Candidate) -> tuple[Way, list[int]]:
        return newest_way(chosen.timeline, chosen.end or chosen.start, self._logs, self._system or 0)

    def _logs_for(
        self, chosen: Candidate, moment: Moment | None
    ) -> tuple[Way, list[LogFile], list[Missing], list[Finding]]:
        """The logs from a backup on, up to a moment or as far as they go, and what of them is missing."""
        way, unknown = self._way(chosen)
        files: list[LogFile] = []
        wanted = moment.offset if moment is not None and moment.offset is not None else None
        at = chosen.start // self._size * self._size
        needed_end = chosen.end or chosen.start + 1
        inside = chosen.read.members.looked_for_logs()
        missing: list[Missing] = []
        while wanted is None or at < max(wanted, needed_end):
            file = file_at(self._logs, self._system_here(), way, at, self._size)
            if file is not None:
                files.append(file)
            elif inside is False or at >= needed_end:
                break
            at += self._size
        stopped = wanted is None or at < max(wanted, needed_end)
        on_way = {number for number, _ in way.begins}
        later = [
            start
            for (system, timeline, start), copies in self._logs.segments.items()
            if system == self._system_here() and start > at and timeline in on_way
            and not all(file.aside for file in copies)
        ]  # fmt: skip
        findings = [
            doubt(
                "history-missing",
                f"there are logs of timeline {number}, and {number:08X}.history is not there: it is not followed",
                "look for it in the archive of the server that was promoted",
            )
            for number in unknown
        ]
        if inside is None and not files:
            said = f"whether the log that {chosen.path} needs is in it, the heads of its tars don't tell"
            findings.append(doubt("logs-unseen", said, f"sospes verify {chosen.path} tells"))
        if stopped and (later or at < needed_end):
            upto = min(later) if later else needed_end
            name = way.name(at, self._size)
            missing.append(Missing(what=f"log from {name} on", from_=position(at), to=position(upto)))
            code = "log-gap" if at >= needed_end else "logs-missing"
            said = f"the log from {position(at)} to {position(upto)} is nowhere; {name} is the first segment of it"
            findings.append(doubt(code, said, "look for the missing files: nothing behind them can be reached"))
        return way, files, missing, findings

    def _system_here(self) -> int:
        if self._system is not None:
            return self._system
        systems = self._logs.systems
        return systems[0] if len(systems) == 1 else 0

    def _reach(
        self, moment: Moment | None, chosen: Candidate, end: int | None, times: Times
    ) -> tuple[Moments, list[Finding]]:
        """What the restore would reach, and doubts about the moment that is wanted."""
        reach = Moments(time=iso(times.last) or _iso(chosen.ended), lsn=position(end) if end is not None else None)
        if moment is None:
            return reach, []
        ends = (
            f"the logs end at {reach.lsn or 'an unknown position'}, with the last commit at {reach.time or 'no time'}"
        )
        advice = "name the place with the logs that follow; or an earlier moment"
        past = doubt("moment-past-end", f"{moment.words} can't be reached: {ends}", advice)
        if moment.offset is not None:
            return (
                (Moments(time=None, lsn=position(moment.offset)), [])
                if (end or 0) >= moment.offset
                else (reach, [past])
            )
        if moment.time is not None:
            last = server_time(times.last) if times.last is not None else chosen.ended
            told = assumed(moment)
            if last is None or last < moment.time:
                return reach, [past, *told]
            return Moments(time=moment.time.isoformat(), lsn=None), told
        said = f"whether the logs hold {moment.words}, their heads don't tell: {ends}"
        return reach, [doubt("moment-unseen", said, "name a time or a position to be sure")]

    def _earliest(self, chosen: Candidate) -> Candidate:
        """The oldest backup from which the logs lead on to the chosen one without a gap."""
        earliest = chosen
        for one in reversed([one for one in self.candidates if one.start < chosen.start]):
            if self._below(one)[1] or self._run_end(one) < earliest.start:
                break
            earliest = one
        return earliest

    def _run_end(self, one: Candidate) -> int:
        """Up to where the logs go from a backup on without a gap."""
        way, _ = self._way(one)
        at = one.start // self._size * self._size
        passed = []
        while (way.timeline, at) not in self._reaches:
            if file_at(self._logs, self._system_here(), way, at, self._size) is None:
                self._reaches[way.timeline, at] = at
                break
            passed.append(at)
            at += self._size
        end = self._reaches[way.timeline, at]
        for before in passed:
            self._reaches[way.timeline, before] = end
        return end

    def _backup_part(self, one: Candidate) -> Part:
        kind = "full" if one.follows is None else "incremental"
        role = "all files" if one.follows is None else f"pages changed since {position(one.follows)}"
        end = position(one.end) if one.end is not None else None
        size = sum(file.stat().st_size for file in one.path.rglob("*") if file.is_file() and not file.is_symlink())
        return Part(path=str(one.path), kind=kind, role=role, from_=position(one.start), to=end, size_bytes=size)

    def _history_parts(self, way: Way) -> Iterator[Part]:
        for timeline, begin in way.begins:
            if begin and timeline in self._logs.histories:
                path = self._logs.histories[timeline][1]
                role = f"where timeline {timeline} begins"
                size = path.stat().st_size if path.is_file() else None
                yield Part(path=str(path), kind="log", role=role, from_=position(begin), to=None, size_bytes=size)

    def _needs(self, read: Checking, names: Names) -> Iterator[Need]:
        version = read.kept.get("PG_VERSION", b"").decode("ascii", "replace").strip()
        if version:
            yield Need(kind="server", name=f"PostgreSQL {version}")
        if read.control is not None and (read.control.page_size, read.control.log_page_size) != (8192, 8192):
            yield Need(kind="build", name=f"pages of {read.control.page_size:,} bytes")
        for number, path in sorted(read.members.links.items()):
            yield Need(kind="tablespace", name=f"{number}{f' at {path}' if path else ''}")
        extensions = names.extensions()
        for extension in sorted({name for found in extensions.values() for name in found}):
            where = tuple(sorted(name for name, found in extensions.items() if extension in found))
            yield Need(kind="extension", name=extension, databases=where)
        locales = names.locales()
        for locale in sorted(set(locales.values())):
            where = tuple(sorted(name for name, found in locales.items() if found == locale))
            yield Need(kind="locale", name=locale, databases=where)


def _is_before(one: Candidate, moment: Moment | None) -> bool:
    """Whether a backup ended before a moment, as far as is known."""
    if moment is None:
        return True
    if moment.offset is not None:
        return (one.end or one.start) <= moment.offset
    return moment.time is None or one.ended is None or one.ended <= moment.time


def _passed_over(one: Candidate, lost: Sequence[Finding], moment: Moment | None) -> Finding:
    """A newer backup that something is missing of: a doubt where the newest state is wanted."""
    said = f"{one.path} is newer, and can't be used: {lost[0].message}"
    return (doubt if moment is None else note)("newer-unusable", said, lost[0].advice)


def _missing_backup(finding: Finding) -> Missing:
    return Missing(what="the backup that begins there", from_=finding.place.file, to=None)


def _log_part(file: LogFile) -> Part:
    head = file.head
    return Part(
        path=file.place, kind="log", role=f"timeline {file.timeline}", from_=position(head.start),
        to=position(head.start + head.size), size_bytes=file.stored,
    )  # fmt: skip


def _space(chain: list[Candidate], files: list[LogFile]) -> int | None:
    """Bytes of the restored files, as manifests have them, and of the logs."""
    if chain[0].read.manifest is None:
        return None
    sizes = sum(one.read.manifest.total for one in chain if one.read.manifest is not None)
    return sizes + sum(file.head.size for file in files)


def _iso(when: datetime | None) -> str | None:
    return when.isoformat() if when is not None else None

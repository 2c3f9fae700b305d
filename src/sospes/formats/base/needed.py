"""The log that a backup needs before its files agree, and how far it can be followed from there."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, field
from itertools import pairwise

from sospes.formats.base.checking import Checking
from sospes.formats.base.control import State
from sospes.formats.base.pages import Block
from sospes.formats.wal.blocks import blocks_of
from sospes.formats.wal.files import LogFile, Logs
from sospes.formats.wal.following import COPY, NAMED, Times, log_fault
from sospes.formats.wal.moments import backup_ends_in, moves_files
from sospes.formats.wal.records import Log, LogFault, Records, Segment
from sospes.formats.wal.segments import read_history, segment_name
from sospes.formats.wal.timelines import Way, file_at, newest_way
from sospes.model.findings import Finding, Place, doubt, fault, note, some
from sospes.model.moments import position

_SHUT_DOWN = frozenset({State.SHUT_DOWN, State.SHUT_DOWN_IN_RECOVERY})


@dataclass(frozen=True, slots=True, kw_only=True)
class Needed:
    """A stretch of the log that a backup needs, in bytes from the log's beginning.

    end        None where only the record of the backup's end tells; that record names `backup`, where it began
    timelines  those that it runs through, each with the position where it begins there
    """

    start: int
    end: int | None
    backup: int | None
    timelines: tuple[tuple[int, int], ...]

    def ends_in(self, records: Records) -> int | None:
        """Where it ends, if that is among some records or before them; None where it is not yet."""
        if self.backup is not None:
            return next((behind for began, behind in backup_ends_in(records) if began == self.backup), None)
        return self.end if self.end is not None and int(records.ends[-1]) >= self.end else None


def needed(read: Checking) -> Needed | None:
    """The log that a backup needs; None where nothing says."""
    control, label, manifest = read.control, read.label, read.manifest
    if manifest is not None and manifest.ranges:
        return Needed(
            start=min(one.start for one in manifest.ranges), end=max(one.end for one in manifest.ranges), backup=None,
            timelines=tuple(sorted((one.timeline, one.start) for one in manifest.ranges)),
        )  # fmt: skip
    if label is not None:
        # A backup that was taken from a standby has no record of its end: what counts is how far that one had come.
        by_standby = label.standby and control is not None and control.consistent
        return Needed(
            start=label.start, end=control.consistent if by_standby and control else None,
            backup=None if by_standby else label.start, timelines=((label.timeline or 1, label.start),),
        )  # fmt: skip
    if control is None:
        return None
    # Copied while nothing wrote to it, or in one moment: a server begins at its latest checkpoint all the same.
    return Needed(
        start=control.redo, end=max(control.checkpoint + 1, control.consistent), backup=None,
        timelines=((control.timeline, control.redo),),
    )  # fmt: skip


@dataclass(frozen=True, slots=True)
class _Inside:
    """A segment of the log that lies in the backup itself."""

    read: Checking
    name: str
    timeline: int

    partial = False

    @property
    def latest(self) -> int:
        """The newest timeline that a page of it may be of."""
        return self.timeline

    def blocks(self) -> Iterator[bytes]:
        """Its bytes."""
        return self.read.segment(self.name) or iter(())


@dataclass(slots=True)
class Reach:
    """How far a backup and its logs reach.

    needs     the log that the backup needs
    there     whether all of that was found sound
    end       the position behind the last record that can be reached; None where even the needed log can't be followed
    consistent  where the files agree; `ended_at` when the backup ended, where a note in the logs tells
    used      files of logs outside of the backup that were read
    whole     blocks that the log makes whole
    moved     whether files were made or removed while the backup was taken, as far as its log tells
    """

    needs: Needed
    way: Way
    there: bool = False
    ended_at: str | None = None
    end: int | None = None
    consistent: int | None = None
    times: Times = field(default_factory=Times)
    used: list[LogFile] = field(default_factory=list)
    whole: set[Block] = field(default_factory=set)
    moved: bool = False


class Following:
    """Follows the log that a backup needs, and on to the end of the logs that were given with it.

    size    bytes of a segment
    system  the cluster's system identifier; None where nothing says
    """

    def __init__(self, read: Checking, needs: Needed, logs: Logs | None) -> None:
        self._read = read
        self._needs = needs
        self._logs = logs if logs is not None else Logs()
        self._given = logs is not None
        control = read.control
        # A copy of a server at work, taken in one moment, agrees only at the end of its own log.
        is_snapshot = read.label is None and control is not None and control.state not in _SHUT_DOWN
        self._to_end = self._given or is_snapshot
        system = read.manifest.system if read.manifest is not None else None
        self.system = control.system if control is not None else system
        self.size = control.log_segment_size if control is not None else 1 << 24
        self._histories()
        timeline, behind = needs.timelines[-1][0], needs.end or needs.start
        way, self._unknown = newest_way(timeline, behind, self._logs, self.system or 0)
        if len(needs.timelines) > 1:
            later = tuple(one for one in way.begins if one[0] > timeline)
            way = Way((*needs.timelines, *later))
        notes = [note for note, _ in self._logs.notes if note.start == needs.start and note.ended_at]
        self.reach = Reach(needs=needs, way=way, ended_at=notes[0].ended_at if notes else None)

    def _histories(self) -> None:
        """Histories that lie in the backup count as well."""
        from pathlib import Path

        for path, data in self._read.kept.items():
            if path.startswith("pg_wal/") and path.endswith(".history"):
                name = path.removeprefix("pg_wal/")
                found = read_history(int(name[:8], 16), data)
                if found is not None:
                    self._logs.histories.setdefault(found.timeline, (found, Path(path)))

    def histories(self) -> Iterator[tuple[int, bytes]]:
        """The histories of the timelines on the way, as a server reads them."""
        begins = self.reach.way.begins
        for number, (timeline, _) in enumerate(begins):
            if number:
                lines = [
                    f"{older}\t{position(end)}\tby its log\n" for (older, _), (_, end) in pairwise(begins[: number + 1])
                ]
                yield timeline, "".join(lines).encode()

    def findings(self) -> Iterator[Finding]:
        """All that is wrong with the log; afterwards `reach` says how far it goes."""
        needs, reach = self._needs, self.reach
        log = Log(self.segment_at, self.size, self.system)
        torn = any(seen.bad for seen in self._read.seen.values())
        done: int | None = None
        for records in log.records(needs.start):
            reach.moved = reach.moved or (done is None and moves_files(records))
            done = done if done is not None else needs.ends_in(records)
            if torn:
                self._make_whole(records)
            reach.times.take(records)
            if done is not None and not self._to_end:
                break
        reach.end, reach.consistent, reach.there = log.end, done, done is not None
        # Records are read many at a time, so what is wrong may lie behind all that the backup needs.
        for problem in log.faults:
            yield from self._fault(problem, done)
        if log.faults and done is None:
            return
        if done is None:
            yield self._missing(log)
        elif self._given and not log.faults:
            yield from self._stops(log)
        yield from self._unknown_timelines()

    def segment_at(self, at: int) -> Segment | None:
        """The segment at a position: of the backup itself, or of the logs that were given with it."""
        for timeline in self.reach.way.at(at, self.size):
            name = segment_name(timeline, at, self.size)
            head = self._read.segment_head(name)
            # Behind what the backup needs, old segments lie under new names, to be filled again.
            if head is not None and (head.start == at or at < (self._needs.end or at)):
                return _Inside(self._read, name, timeline)
        found = file_at(self._logs, self.system or 0, self.reach.way, at, self.size)
        if found is not None:
            self.reach.used.append(found)
        return found

    def _make_whole(self, records: Records) -> None:
        for index in range(len(records.starts)):
            self.reach.whole.update(blocks_of(records.record(index), records.magic))

    def _fault(self, problem: LogFault, done: int | None) -> Iterator[Finding]:
        used = {file.head.start: file for file in self.reach.used}
        file = used.get(problem.position - problem.position % self.size)
        found = log_fault(problem, file, self.size)
        if file is None:
            found = found.at(file=f"pg_wal/{problem.segment}")
        if done is None or problem.position < done:
            yield found
        elif problem.last:
            yield note(
                "log-ends-torn",
                f"the last record of the log, at {position(problem.position)}, was not written whole, as in a crash",
                place=found.place,
            )
        elif self._to_end:
            yield found

    def _missing(self, log: Log) -> Finding:
        """The needed log is not there."""
        needs, size = self._needs, self.size
        first = log.missing if log.missing is not None else (log.end or needs.start) // size * size
        upto = "the end of the backup" if needs.end is None else position(needs.end)
        named = self.reach.way.name(first, size)
        if needs.end is not None and (needs.end - 1) // size > first // size:
            last = (needs.end - 1) // size * size
            named += f" to {self.reach.way.name(last, size)}"
        where = "in the backup, nor in the logs that were given" if self._given else "in it"
        return doubt(
            "logs-missing",
            f"the log that the backup needs is not {where}: from {position(needs.start)} to {upto}; missing: {named}"
            f"{self._instead(first)}",
            "name the place where it was archived: --with FOLDER"
            if not self._given
            else "look for it in other archives",
        )

    def _instead(self, segment: int) -> str:
        """What lies under the name of a segment that is missing."""
        name = self.reach.way.name(segment, self.size)
        for file in self._logs.files:
            if file.name.startswith(name) and file.head.system != self.system:
                return f" ({file.name} is there, and of another cluster: system identifier {file.head.system})"
            if file.name.startswith(name):
                return f" ({file.name} is there, and holds the log of {file.own_name})"
        return ""

    def _stops(self, log: Log) -> Iterator[Finding]:
        """The log ends, though later segments are there."""
        reach = self.reach
        end = log.end if log.missing is None else log.missing
        last = (end or 0) // self.size * self.size
        later = [
            file for file in self._logs.files
            if file.head.system == self.system and file.head.start > last and not file.aside
            and file.timeline in {timeline for timeline, _ in reach.way.begins}
        ]  # fmt: skip
        if later:
            nearest = min(later, key=lambda file: file.head.start)
            yield doubt(
                "log-gap",
                f"the log from {position(end or 0)} to {position(nearest.head.start)} is nowhere: "
                f"{self.reach.way.name(last, self.size)} is the first segment that is missing or "
                f"ends too early{self._instead(last)}; nothing behind it can be reached",
                "look for the missing files; else take a new full backup",
                Place(file=reach.used[-1].place if reach.used else None),
            )
        own = [file for file in self._logs.files if file.head.system == self.system and not file.aside]
        needed_ones = [file for file in own if self._needs.start < file.head.start + self.size]
        for file in needed_ones:
            if not file.is_misnamed:
                continue
            yield fault(
                "log-misnamed",
                f"{file.name} holds the log of {file.own_name}: a server that asks for it gets another one",
                COPY,
                Place(file=file.place),
            )
        foreign = [file.name for file in self._logs.files if file.head.system != self.system]
        if foreign:
            yield note(
                "log-foreign", f"{len(foreign):,} files of other clusters were passed over: {some(foreign, NAMED)}"
            )
        for file in reach.used:
            yield from file.findings

    def _unknown_timelines(self) -> Iterator[Finding]:
        for number in self._unknown:
            yield doubt(
                "history-missing",
                f"there are logs of timeline {number}, and {number:08X}.history is not there: nobody can tell where it "
                "leaves the one before, so it is not followed",
                "look for it in the archive of the server that was promoted",
            )

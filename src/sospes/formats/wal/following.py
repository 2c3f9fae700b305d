"""Follows the log of an archive, run by run: how far it goes, when what was committed, and all that is wrong."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from itertools import pairwise

from sospes.formats.wal.files import LogFile, Logs
from sospes.formats.wal.moments import commits_in
from sospes.formats.wal.records import Log, LogFault, Records, first_begin
from sospes.formats.wal.segments import NAMED_AS_SEGMENT
from sospes.model.findings import Finding, Place, doubt, fault, note, some
from sospes.model.moments import iso, position

MOST_FAULTS = 100
"""Places of damage in one segment that are looked for."""

NAMED = 5
COPY = "take the log from another copy: nothing behind this place can be reached through it"


@dataclass(slots=True)
class Times:
    """What was met on the way: commits, their first and last time in microseconds since 2000."""

    commits: int = 0
    records: int = 0
    first: int | None = None
    last: int | None = None

    def take(self, records: Records) -> None:
        """Take in some records."""
        found = commits_in(records)
        self.records += len(records.starts)
        times = found.times[found.committed]
        if len(times):
            self.commits += len(times)
            self.first = int(times[0]) if self.first is None else self.first
            self.last = int(times.max()) if self.last is None else max(self.last, int(times.max()))

    @property
    def first_at(self) -> str | None:
        """When the first commit was."""
        return iso(self.first)

    @property
    def last_at(self) -> str | None:
        """When the newest commit was."""
        return iso(self.last)


@dataclass(frozen=True, slots=True, kw_only=True)
class Run:
    """Files of one timeline whose segments follow on one another without a gap, in order."""

    system: int
    timeline: int
    files: tuple[LogFile, ...]

    @property
    def start(self) -> int:
        """The position where it begins."""
        return self.files[0].head.start

    @property
    def end(self) -> int:
        """The position behind its last segment."""
        return self.files[-1].head.start + self.files[-1].head.size


def runs(logs: Logs) -> list[Run]:
    """All runs, in order of cluster, timeline and position."""
    grouped: list[tuple[int, int, list[LogFile]]] = []
    expected = (-1, -1, -1)
    for key in sorted(logs.segments):
        system, timeline, start = key
        file = logs.segments[key][0]
        if key == expected:
            grouped[-1][2].append(file)
        else:
            grouped.append((system, timeline, [file]))
        expected = (system, timeline, start + file.head.size)
    return [Run(system=system, timeline=timeline, files=tuple(files)) for system, timeline, files in grouped]


def logs_through(files: Mapping[int, LogFile], start: int) -> Iterator[tuple[int, Log]]:
    """The log of some segments, by where they begin, from `start` on: where it begins, and it, to be read to its end.

    After damage it goes on anew from the next page that allows it; one without damage is the last one.
    """
    head = files[min(files)].head
    told: dict[int, int] = {}
    while True:
        segment = start - start % head.size
        begin = None
        while begin is None:
            if segment not in files:
                return
            begin = first_begin(files[segment], segment, head, start)
            segment += head.size
        log = Log(files.get, head.size, head.system)
        yield begin, log
        if not log.faults:
            return
        where = log.faults[0].position
        at = where - where % head.size
        told[at] = told.get(at, 0) + 1
        start = at + head.size if told[at] >= MOST_FAULTS else where - where % head.page + head.page


def follow(run: Run, times: Times, ends: dict[tuple[int, int], int] | None = None) -> Iterator[Finding]:
    """All that is wrong with the records of a run.

    `ends` takes where the log of each timeline of a cluster ends.
    """
    by_start = {file.head.start: file for file in run.files}
    size = run.files[0].head.size
    for begin, log in logs_through(by_start, run.start):
        for records in log.records(begin):
            times.take(records)
        for problem in log.faults:
            yield log_fault(problem, by_start.get(problem.position - problem.position % size), size)
        if ends is not None and log.end is not None:
            ends[run.system, run.timeline] = max(log.end, ends.get((run.system, run.timeline), 0))
        if not log.faults and (log.missing is None or log.missing in by_start):
            yield from _ends_early(run, log.end or begin)


def _ends_early(run: Run, end: int) -> Iterator[Finding]:
    """The log ends before its last segment does; what lies behind is not joined to it."""
    segment = end - end % run.files[0].head.size
    behind = [file for file in run.files if file.head.start > segment]
    if behind:
        yield fault(
            "log-damaged",
            f"the log ends at {position(end)}, and {some([file.name for file in behind], NAMED)} should go on with it",
            COPY,
            Place(file=behind[0].place),
        )
        return
    yield note(
        "log-ends-in-segment",
        f"{run.files[-1].name} is filled up to {position(end)} only: it was the newest one when it was copied",
        place=Place(file=run.files[-1].place),
    )


def log_fault(problem: LogFault, file: LogFile | None, size: int) -> Finding:
    """What is said of a place where the log can't be followed."""
    at = problem.position % size
    plain = file is not None and file.packed is not None
    return fault(
        "log-damaged",
        f"{problem.segment}: the log can't be followed at {position(problem.position)}: {problem.problem}",
        COPY,
        Place(
            file=file.place if file is not None else problem.segment,
            stored_from=None if plain else at,
            plain_from=at if plain else None,
        ),
    )


def gaps(logs: Logs) -> Iterator[tuple[LogFile, LogFile]]:
    """Pairs of files between which segments are nowhere, in one timeline or from one to its next."""
    found = runs(logs)
    for before, behind in pairwise(found):
        if before.system != behind.system:
            continue
        if before.timeline == behind.timeline:
            yield before.files[-1], behind.files[0]
            continue
        known = logs.histories.get(behind.timeline)
        parent = known[0].ancestors[-1][0] if known else before.timeline
        earlier = [run for run in found if run.system == behind.system and run.timeline == parent]
        if earlier and earlier[-1].end < behind.start:
            yield earlier[-1].files[-1], behind.files[0]


def short_of_branch(logs: Logs, ends: dict[tuple[int, int], int]) -> Iterator[Finding]:
    """Timelines whose log ends before the next one leaves them, though that one's own log begins only there."""
    for (system, timeline), first in _first_segments(logs).items():
        known = logs.histories.get(timeline)
        if known is None:
            continue
        parent, branch = known[0].ancestors[-1]
        end, wanted = ends.get((system, parent)), min(branch, first)
        if end is not None and end < wanted and any(run.end >= wanted for run in runs(logs) if run.timeline == parent):
            yield fault(
                "log-damaged",
                f"the log of timeline {parent} ends at {position(end)}, and timeline {timeline} leaves it at "
                f"{position(branch)}: what is between them can't be read",
                COPY,
            )


def _first_segments(logs: Logs) -> dict[tuple[int, int], int]:
    """Where the first segment of each timeline of each cluster begins."""
    found: dict[tuple[int, int], int] = {}
    for system, timeline, start in sorted(logs.segments):
        found.setdefault((system, timeline), start)
    return found


def archive_findings(logs: Logs, *, in_cluster: bool) -> Iterator[Finding]:
    """What is wrong with an archive by the heads of its files; in a cluster's own folder old files have later names."""
    systems = logs.systems
    if len(systems) > 1:
        named = ", ".join(map(str, systems))
        counts = [sum(file.head.system == system for file in logs.files) for system in systems]
        rarest = systems[counts.index(min(counts))]
        odd = [file for file in logs.files if file.head.system == rarest]
        yield doubt(
            "log-foreign",
            f"the files are of {len(systems)} clusters, with the system identifiers {named}: "
            f"{some([file.name for file in odd], NAMED)} of {rarest}",
            "keep each cluster's log in a folder of its own: their files have the same names",
            Place(file=odd[0].place),
        )
    yield from _misnamed(logs, in_cluster=in_cluster)
    for file in logs.files:
        if file.is_cut:
            is_named = file.named_as is not None  # under another name it may only be on its way
            yield (fault if is_named else doubt)(
                "log-cut",
                f"{file.name} has {file.stored:,} bytes, where {file.head.size:,} belong: it was cut off"
                f"{'' if is_named else ', or is still being written'}",
                COPY,
                Place(file=file.place, stored_from=file.stored, stored_to=file.head.size),
            )
    for before, behind in gaps(logs):
        end = before.head.start + before.head.size
        yield doubt(
            "log-gap",
            f"the log from {position(end)} to {position(behind.head.start)} is nowhere: nothing behind it can be "
            "reached from before it",
            "look for the missing files; else take a new full backup",
            Place(file=before.place),
        )
    for number in sorted({timeline for _, timeline, _ in logs.segments} - set(logs.histories) - {1}):
        older = [timeline for _, timeline, _ in logs.segments if timeline < number]
        if older:
            yield doubt(
                "history-missing",
                f"{number:08X}.history is not there: a server can't tell where timeline {number} leaves the one before",
                "look for it in the archive of the server that was promoted",
            )
    for path in logs.others:
        if NAMED_AS_SEGMENT.match(path.name) and not in_cluster:
            said = f"{path.name} is named like a segment of the log, and doesn't begin like one"
            yield fault("log-damaged", said, COPY, Place(file=str(path)))
    for path, why in logs.unread:
        yield doubt(
            "file-unreadable", f"{path.name}: {why}", "run this as a user who may read it", Place(file=str(path))
        )


def _misnamed(logs: Logs, *, in_cluster: bool) -> Iterator[Finding]:
    """Files whose names stand for other segments than their bytes."""
    for file in logs.files:
        if not file.is_misnamed or in_cluster:
            continue
        yield fault(
            "log-misnamed",
            f"{file.name} holds the log of {file.own_name}: a server that asks for it gets another one",
            "look for the file that belongs under this name; what is in this one is used by its content here",
            Place(file=file.place),
        )

"""Reads change logs of PostgreSQL: one segment, a folder of them, a timeline's history, a note about a backup."""

from __future__ import annotations

import os
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from sospes.formats.form import Abilities, Glance, Reader, Want
from sospes.formats.wal.files import LogFile, Logs
from sospes.formats.wal.following import Run, Times, archive_findings, follow, gaps, runs, short_of_branch
from sospes.formats.wal.records import Log, first_begin
from sospes.formats.wal.segments import VERSIONS
from sospes.model.entries import ContentsEntry, Engine, Entry
from sospes.model.events import Event, Gap, Header, PhysicalHeader
from sospes.model.findings import Finding, Place, note, some
from sospes.model.moments import position
from sospes.model.verdict import Severity
from sospes.places.local import LocalFolder
from sospes.stream.containers import Block
from sospes.stream.passing import PassedBytes, pass_folder

NAME = "change-log"
LOOKED_AT = 4
"""Segments from each end that are looked through for a commit."""

_MOST_LOOKED_AT = 64 << 20
"""Bytes of a segment that are looked through for one."""


@dataclass(frozen=True, slots=True)
class Looked:
    """What was seen of commits in a segment, and the position where the log of the first one that was read ends."""

    times: Times
    end: int | None


def look_for_commits(files: Sequence[LogFile], *, first_only: bool) -> Looked | None:
    """Look through files for one that has a commit, and no further than to its first one if that is enough.

    None where there are no files. Damage is passed over.
    """
    looked: Looked | None = None
    for file in files:
        start = file.head.start
        end: int | None = start + file.head.size
        begin = first_begin(file, start, file.head, start) if file.head.size <= _MOST_LOOKED_AT else None
        times = Times()
        if begin is not None:
            log = Log({start: file}.get, file.head.size, None)
            for records in log.records(begin):
                times.take(records)
                if first_only and times.commits:
                    break
            end = end if log.unfinished else log.end
        looked = Looked(times, end if looked is None else looked.end)
        if times.commits:
            break
    return looked


class LogReader:
    """One pass over all segments."""

    abilities = Abilities(gives_rows=False, from_beginning="this form is always read from its beginning")
    unsure = ""
    contents: tuple[ContentsEntry, ...] | None = None

    def __init__(self, logs: Logs, want: Want, folder: LocalFolder | None = None, *, in_cluster: bool = False) -> None:
        self._logs = logs
        self._want = want
        self._folder = folder
        self._in_cluster = in_cluster
        self._times = Times()
        self._complete: bool | None = None

    @property
    def compression(self) -> str | None:
        """How its files are packed; each is on its own."""
        found = sorted({file.packed for file in self._logs.files if file.packed})
        return "+".join(found) or None

    @property
    def bytes_read(self) -> int:
        """Stored bytes that were read by now."""
        return sum(file.bytes_read for file in self._logs.files) + self._logs.small_bytes

    @property
    def plain_bytes(self) -> int:
        """The same: each file is packed on its own, if at all."""
        return self.bytes_read

    @property
    def header(self) -> Header:
        """What heads say, and what was read by now."""
        files = self._logs.files
        heads = [file.head for file in files]
        found = [run for run in runs(self._logs) if len(self._logs.systems) == 1]
        newest = max(found, key=lambda run: (run.timeline, run.end)) if found else None
        return Header(
            format=NAME,
            engine=Engine.POSTGRESQL,
            engine_version=VERSIONS.get(heads[-1].magic) if heads else None,
            system=str(heads[0].system) if len(self._logs.systems) == 1 else None,
            complete=self._complete,
            kind="log",
            cluster=True,
            physical=PhysicalHeader(
                timeline=newest.timeline if newest else max(self._logs.histories, default=None),
                log_from=position(min(run.start for run in found)) if found else None,
                log_to=position(newest.end) if newest else None,
                files=len(files) + len(self._logs.histories) + len(self._logs.notes),
                first_at=self._times.first_at,
                last_at=self._times.last_at,
                gaps=tuple(
                    Gap(
                        after=before.place, before=behind.place,
                        from_=position(before.head.start + before.head.size), to=position(behind.head.start),
                    )
                    for before, behind in gaps(self._logs)
                ),
                records=self._times.records or None,
            ),
        )  # fmt: skip

    def stated(self) -> Header:
        """What heads say."""
        return self.header

    def glance(self) -> Glance:
        """What heads say, and the first and last commit, for which some segments are looked through."""
        if not self._want.head_only:
            self._look_for_commits()
        findings = (*archive_findings(self._logs, in_cluster=self._in_cluster), *self._beside())
        return Glance(header=self.header, kind="log", findings=findings)

    def _look_for_commits(self) -> None:
        found = runs(self._logs)
        if not found or len(self._logs.systems) > 1 or any(file.stored is None for file in self._logs.files):
            return
        oldest = min(found, key=lambda run: run.start)
        newest = max(found, key=lambda run: (run.timeline, run.end))
        first = look_for_commits(oldest.files[:LOOKED_AT], first_only=True)
        last = look_for_commits(tuple(reversed(newest.files[-LOOKED_AT:])), first_only=False)
        self._times.first = first.times.first if first is not None else None
        self._times.last = last.times.last if last is not None else None

    def events(self) -> Iterator[Event]:
        """Findings about every segment, page and record."""
        stored: dict[str, PassedBytes] = {}
        if self._folder is not None and self._want.passed is not None:
            for file in self._logs.files:
                passed = stored[os.path.relpath(file.place, self._folder.name)] = PassedBytes()
                file.given = passed.watch(file.source)
        worst = Severity.NOTE
        for finding in self._as_known(self._all()):
            worst = max(worst, finding.severity, key=lambda severity: severity.verdict)
            yield finding
        self._complete = worst is not Severity.FAULT
        if self._folder is not None and self._want.passed is not None:
            pass_folder(self._want.passed, self._folder, stored)

    def _as_known(self, found: Iterator[Finding]) -> Iterator[Finding]:
        """The same; of a version that nobody here knows, what looks damaged may only be another form."""
        unknown = [file for file in self._logs.files if file.head.magic not in VERSIONS]
        if not unknown:
            yield from found
            return
        said = f"the log is of a version that is not known here (its pages begin with {unknown[0].head.magic:#06x})"
        yield note("version-unknown", said, "use a newer version of Sospes", Place(file=unknown[0].place))
        for finding in found:
            is_form = finding.severity is Severity.FAULT and finding.code == "log-damaged"
            yield replace(finding, severity=Severity.DOUBT) if is_form else finding

    def _all(self) -> Iterator[Finding]:
        yield from archive_findings(self._logs, in_cluster=self._in_cluster)
        told = {file.place for file in self._logs.files if file.is_cut}  # what follows of that is not told again
        ends: dict[tuple[int, int], int] = {}
        for run in runs(self._logs):
            for finding in follow(run, self._times, ends):
                if finding.place.file not in told or finding.code != "log-damaged":
                    yield finding
            for file in run.files:
                yield from file.findings
        yield from short_of_branch(self._logs, ends)
        for copies in self._logs.segments.values():
            for copy in copies[1:]:
                again = Run(system=copy.head.system, timeline=copy.timeline, files=(copy,))
                if copy.place not in told:
                    yield from follow(again, Times())
                yield from copy.findings
        yield from self._beside()

    def _beside(self) -> Iterator[Finding]:
        """Files that are none of the log."""
        if self._logs.others:
            named = some([path.name for path in self._logs.others], 5)
            yield note("not-of-the-log", f"{len(self._logs.others):,} files beside the log are no part of it: {named}")

    def implied(self) -> Iterator[Entry]:
        """A log defines nothing."""
        yield from ()

    def of_parts(self, _blocks: Iterator[Block | Finding]) -> Reader | None:
        """It is always read whole."""
        return None

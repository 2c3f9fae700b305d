"""Feeds the log that a recovery needs, up to a moment: where that lies in the log, and the segments up to there.

A server applies all that it finds, so the log ends where it is to stop: what lies behind is written as zeros. A time is
reached before the first commit that is later, as the server's own recovery targets have it.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from pathlib import Path

import numpy as np

from sospes.formats.base.needed import Following
from sospes.formats.wal.moments import commits_in, restore_points_in
from sospes.formats.wal.records import Log, Records, Segment
from sospes.formats.wal.segments import segment_name
from sospes.model.errors import UsageError
from sospes.model.moments import Moment, MomentKind, iso, position, server_microseconds

Progress = Callable[[int], None]


@dataclass(slots=True)
class Stop:
    """Where a recovery stops, in bytes of the log.

    end         behind the last record that is applied
    consistent  where the files agree; None where the log ends before that
    found       whether the moment that was asked for lies in the log
    last        when the last commit was that is applied, in microseconds since 2000, and its transaction
    problem     why the log can't be followed further; empty where it only ends
    """

    end: int
    consistent: int | None = None
    found: bool = False
    last: int | None = None
    last_transaction: int | None = None
    problem: str = ""

    @property
    def time(self) -> str | None:
        """When the last commit was that is applied, in ISO 8601."""
        return iso(self.last)


def stop_at(following: Following, moment: Moment | None) -> Stop:
    """Where a recovery to a moment stops, by reading the log; to its end without one.

    Raises UsageError for a moment before the files agree.
    """
    needs = following.reach.needs
    log = Log(following.segment_at, following.size, following.system)
    stop = Stop(end=needs.start)
    for records in log.records(needs.start):
        if stop.consistent is None:
            stop.consistent = needs.ends_in(records)
        cut = _cut(records, moment) if moment is not None else None
        if cut is not None:
            stop.found = True
        count = len(records.starts) if cut is None else int(np.searchsorted(records.positions, cut))
        if count:
            stop.end = int(records.ends[count - 1])
            _take(stop, records, count)
        if cut is not None:
            break
    else:
        stop.end = log.end if log.end is not None else stop.end
        stop.problem = log.faults[0].problem if log.faults else ""
        stop.found = moment is not None and moment.offset is not None and moment.offset <= stop.end
    if stop.found and (stop.consistent is None or stop.end < stop.consistent):
        begins = position(stop.consistent) if stop.consistent is not None else "the end of the backup"
        raise UsageError(
            f"{moment.words if moment else ''}: lies before {begins}, where the files of this backup agree",
            "name a later moment, or an older backup: sospes plan tells which one",
        )
    return stop


def feed(following: Following, stop: Stop, target: Path, progress: Progress) -> None:
    """Write the segments up to where a recovery stops into a folder, and the histories of their timelines."""
    size = following.size
    written = 0
    for history, data in following.histories():
        (target / f"{history:08X}.history").write_bytes(data)
    for at in range(following.reach.needs.start // size * size, stop.end, size):
        found = following.segment_at(at)
        if found is None:
            break
        _write_segment(target / segment_name(found.timeline, at, size), found, min(stop.end - at, size), size)
        written += size
        progress(written)


def _write_segment(path: Path, found: Segment, kept: int, size: int) -> None:
    """One segment, of which only the first bytes are kept; the rest is zeros."""
    left = kept
    with path.open("wb") as file:
        for data in found.blocks():
            file.write(data[:left])
            left -= min(left, len(data))
            if not left:
                break
        file.truncate(size)


def _take(stop: Stop, records: Records, count: int) -> None:
    """Note the commits among the first records."""
    commits = commits_in(records)
    mine = commits.committed & (commits.indexes < count)
    if mine.any():
        stop.last = int(commits.times[mine][-1])
        stop.last_transaction = int(commits.transactions[mine][-1]) or None


def _cut(records: Records, moment: Moment) -> int | None:
    """The position at which a moment cuts some records; None where it lies behind them."""
    if moment.offset is not None:
        first = int(np.searchsorted(records.positions, moment.offset))
        return moment.offset if first < len(records.positions) else None
    if moment.time is not None:
        wanted = server_microseconds(moment.time)
        commits = commits_in(records)
        later = commits.times >= wanted if moment.before else commits.times > wanted
        found = commits.indexes[later & commits.committed]
        return int(records.positions[found[0]]) if len(found) else None
    if moment.kind is MomentKind.TRANSACTION:
        commits = commits_in(records)
        found = commits.indexes[commits.transactions == int(moment.value) & 0xFFFFFFFF]
        if not len(found):
            return None
        return int(records.positions[found[0]] if moment.before else records.ends[found[0]])
    points = [(begin, behind) for begin, behind, name in restore_points_in(records) if name == moment.value]
    return (points[0][0] if moment.before else points[0][1]) if points else None

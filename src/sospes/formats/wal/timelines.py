"""Timelines: which one can be followed from a moment on, and which file of it holds a position."""

from __future__ import annotations

from dataclasses import dataclass

from sospes.formats.wal.files import LogFile, Logs
from sospes.formats.wal.segments import segment_name


@dataclass(frozen=True, slots=True)
class Way:
    """The way from a timeline's ancestors to it: each with the position where it begins, oldest first."""

    begins: tuple[tuple[int, int], ...]

    @property
    def timeline(self) -> int:
        """The timeline that it leads to."""
        return self.begins[-1][0]

    def at(self, segment: int, size: int) -> list[int]:
        """The timelines that a segment may be of, the newest first, as a server looks for it."""
        return [timeline for timeline, begin in reversed(self.begins) if begin < segment + size]

    def name(self, segment: int, size: int) -> str:
        """The name by which a server looks for a segment first."""
        return segment_name((self.at(segment, size) or [1])[0], segment, size)

    def ends(self, timeline: int) -> int | None:
        """Where the next timeline of the way leaves that one; None for the last one, or one that is not on it."""
        numbers = [number for number, _ in self.begins]
        if timeline not in numbers or numbers[-1] == timeline:
            return None
        return self.begins[numbers.index(timeline) + 1][1]


def way_to(timeline: int, logs: Logs) -> Way:
    """The way to a timeline, as far as its history says."""
    known = logs.histories.get(timeline)
    begins = [(number, 0) for number, _ in known[0].ancestors[:1]] if known else []
    if known:
        ancestors = known[0].ancestors
        following = [number for number, _ in ancestors[1:]] + [timeline]
        begins += [(number, end) for number, (_, end) in zip(following, ancestors, strict=True)]
    return Way(tuple(begins) or ((timeline, 0),))


def newest_way(timeline: int, behind: int, logs: Logs, system: int) -> tuple[Way, list[int]]:
    """The way to the newest timeline that a backup can be followed to, whose end is `behind` on its own timeline.

    Also the timelines with logs that nobody knows where they come from, as their histories are missing.
    """
    there = {number for of, number, _ in logs.segments if of == system} | set(logs.histories)
    best, unknown = way_to(timeline, logs) if timeline in logs.histories else Way(((timeline, 0),)), []
    for number in sorted(there):
        if number <= timeline:
            continue
        if number not in logs.histories:
            unknown.append(number)
            continue
        way = way_to(number, logs)
        left = way.ends(timeline)
        if left is not None and left >= behind:
            best = way
    return best, unknown


def file_at(logs: Logs, system: int, way: Way, segment: int, size: int) -> LogFile | None:
    """The file that a server would read a segment from, told by its bytes.

    The unfinished end of an older timeline counts only where there is nothing else.
    """
    found = [file for timeline in way.at(segment, size) for file in logs.segments.get((system, timeline, segment), [])]
    whole = (file for file in found if not file.partial or file.timeline == way.timeline)
    return next(whole, found[0] if found else None)

"""Segments of the log, and the small files beside them: how they are told, and what they say.

Sources: PostgreSQL, src/include/access/xlog_internal.h (XLogLongPageHeaderData, names of files); documentation,
"Continuous Archiving" (timeline histories, notes about backups).
"""

from __future__ import annotations

import re
import struct
from dataclasses import dataclass

from sospes.model.moments import offset_of

NAMED_AS_SEGMENT = re.compile(r"([0-9A-F]{24})(\.partial)?(?:\.(?:gz|bz2|xz|lz4|zst))?\Z")
"""Names of segments in an archive: packed ones have the packer's ending, the last one of a timeline another."""

NAMED_AS_HISTORY = re.compile(r"([0-9A-F]{8})\.history(?:\.(?:gz|bz2|xz|lz4|zst))?\Z")
HEAD_BYTES = 40
"""Bytes of a segment that tell it: the long header of its first page."""

VERSIONS = {
    0xD101: "12", 0xD106: "13", 0xD10D: "14", 0xD110: "15", 0xD113: "16", 0xD116: "17", 0xD118: "18",
}  # fmt: skip
"""The server's version by the magic number of its log's pages."""

_PAGES = frozenset(1 << power for power in range(10, 17))
_HAS_LONG = 2
_FIRST_MAGIC, _LAST_MAGIC = 0xD101, 0xD1FF
_MOST_SEGMENT = 1 << 30
_MOST_POSITION = 1 << 62
_HISTORY_LINE = re.compile(rb"[ \t]*(\d+)[ \t]+([0-9A-F]{1,8}/[0-9A-F]{1,8})(?:[ \t]+(.*))?")
_STATED = re.compile(r"(\d{4}-\d\d-\d\d) (\d\d:\d\d:\d\d) (\S+)")
_ZONES = {"UTC": "+00:00", "GMT": "+00:00"}
_NOTE_START = re.compile(r"START WAL LOCATION: ([0-9A-F]+/[0-9A-F]+) \(file ([0-9A-F]{24})\)\n")
_NOTE_STOP = re.compile(r"^STOP WAL LOCATION: ([0-9A-F]+/[0-9A-F]+) \(file [0-9A-F]{24}\)$", re.M)
_NOTE_STOP_TIME = re.compile(r"^STOP TIME: (.+)$", re.M)


@dataclass(frozen=True, slots=True, kw_only=True)
class SegmentHead:
    """What the long header of a segment's first page says.

    magic     of the log's pages, which tells the version
    timeline  of its first page, which may be the parent of the timeline that the segment is of
    start     where it begins in the log; size, and page, in bytes
    """

    magic: int
    timeline: int
    start: int
    system: int
    size: int
    page: int


def segment_head(data: bytes) -> SegmentHead | None:
    """The long header at the beginning of a segment; None where there is none."""
    if len(data) < HEAD_BYTES:
        return None
    magic, flags, timeline, start, _, system, size, page = struct.unpack_from("<HHIQI4xQII", data)
    fits = 1 << 20 <= size <= _MOST_SEGMENT and size & (size - 1) == 0 and page in _PAGES and start % size == 0
    fits = fits and start < _MOST_POSITION  # what no log has reached is no log's
    if not _FIRST_MAGIC <= magic <= _LAST_MAGIC or not flags & _HAS_LONG or not fits:
        return None
    return SegmentHead(magic=magic, timeline=timeline, start=start, system=system, size=size, page=page)


def segment_name(timeline: int, start: int, size: int) -> str:
    """The name of the segment that begins at a position."""
    number, per_file = start // size, (1 << 32) // size
    return f"{timeline:08X}{number // per_file:08X}{number % per_file:08X}"


def named(name: str, size: int) -> tuple[int, int, bool] | None:
    """Timeline and position that a file's name stands for, and whether it is called partial; None for other names."""
    found = NAMED_AS_SEGMENT.match(name)
    if found is None:
        return None
    word = found[1]
    start = (int(word[8:16], 16) * ((1 << 32) // size) + int(word[16:], 16)) * size
    return int(word[:8], 16), start, found[2] is not None


@dataclass(frozen=True, slots=True, kw_only=True)
class History:
    """Where a timeline comes from: for each of its ancestors, oldest first, its number and the position it ended at."""

    timeline: int
    ancestors: tuple[tuple[int, int], ...]


def read_history(timeline: int, data: bytes) -> History | None:
    """The contents of a timeline's history; None for what is none. Which timeline it is of, only its name says."""
    ancestors = []
    for line in data.splitlines():
        text = line.strip()
        if not text or text.startswith(b"#"):
            continue
        found = _HISTORY_LINE.fullmatch(line)
        end = offset_of(found[2].decode()) if found else None
        if found is None or end is None:
            return None
        ancestors.append((int(found[1]), end))
    numbers = [number for number, _ in ancestors]
    if not numbers or numbers != sorted(set(numbers)) or numbers[-1] >= timeline:
        return None
    return History(timeline=timeline, ancestors=tuple(ancestors))


@dataclass(frozen=True, slots=True, kw_only=True)
class BackupNote:
    """What the server leaves in its log's archive about a backup: from where to where it needs the log, in bytes."""

    start: int
    end: int
    ended_at: str | None


def stated_time(text: str) -> str | None:
    """A time as labels and notes have it, in ISO 8601; with a zone only where that is beyond doubt."""
    found = _STATED.fullmatch(text.strip())
    return f"{found[1]}T{found[2]}{_ZONES.get(found[3], '')}" if found else None


def read_note(data: bytes) -> BackupNote | None:
    """The contents of a note about a backup; None for what is none."""
    text = data.decode("utf-8", "replace")
    begin, stop, time = _NOTE_START.match(text), _NOTE_STOP.search(text), _NOTE_STOP_TIME.search(text)
    start = offset_of(begin[1]) if begin else None
    end = offset_of(stop[1]) if stop else None
    if start is None or end is None:
        return None
    return BackupNote(start=start, end=end, ended_at=stated_time(time[1]) if time else None)

"""PostgreSQL's write-ahead log: its pages, and its records with their checksums and back links.

Sources: PostgreSQL, src/include/access/xlog_internal.h (page headers), xlogrecord.h (records). A record's checksum
covers its body first, then its header. Records run across pages and segments; positions are offsets in the whole log,
in bytes.
"""

from __future__ import annotations

import re
import struct
from collections.abc import Callable, Iterator
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from sospes.formats.base.images import Block, blocks_of
from sospes.formats.base.label import position

SEGMENT_NAME = re.compile(r"([0-9A-F]{8})([0-9A-F]{8})([0-9A-F]{8})\Z")
PAGE = 8192
"""Bytes of a page of the log that can be followed: all servers have this size that weren't built otherwise."""

_PAGES = frozenset(1 << power for power in range(10, 17))
_SHORT, _LONG = 24, 40
_RECORD = struct.Struct("<IIQBBxxI")
_HEADER = 24
_HAS_LONG = 2
_XLOG = 0
_SWITCH, _BACKUP_END, _INFO = 0x40, 0x50, 0xF0
_FIRST_MAGIC, _LAST_MAGIC = 0xD101, 0xD1FF
MOST_RECORD = 1 << 30
"""Bytes that a record may have at most (1020 MiB since version 16)."""


@dataclass(frozen=True, slots=True, kw_only=True)
class SegmentHead:
    """What the long header of a segment's first page says; sizes in bytes."""

    magic: int
    timeline: int
    start: int
    system: int
    size: int
    page: int


def segment_head(data: bytes) -> SegmentHead | None:
    """The long header at the beginning of a segment; None where there is none."""
    if len(data) < _LONG:
        return None
    magic, flags, timeline, start, _, system, size, page = struct.unpack_from("<HHIQI4xQII", data)
    fits = size >= 1 << 20 and size & (size - 1) == 0 and page in _PAGES and start % size == 0
    if not _FIRST_MAGIC <= magic <= _LAST_MAGIC or not flags & _HAS_LONG or not fits:
        return None
    return SegmentHead(magic=magic, timeline=timeline, start=start, system=system, size=size, page=page)


def segment_name(timeline: int, start: int, size: int) -> str:
    """The name of the segment that begins at a position."""
    number, per_file = start // size, (1 << 32) // size
    return f"{timeline:08X}{number // per_file:08X}{number % per_file:08X}"


@dataclass(frozen=True, slots=True, kw_only=True)
class LogFault:
    """A place where the log can't be followed: its position, and what is wrong there."""

    position: int
    problem: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Followed:
    """How far the log could be followed.

    end          the position behind the last whole record
    records      how many there were
    backup_ends  where backups began whose end was recorded, each with the position behind that record
    """

    end: int
    records: int
    backup_ends: dict[int, int]


Segments = Callable[[int], bytes | None]
"""Gives the bytes of the segment that begins at a position; None where there is none."""


class Log:
    """The log of one timeline, read from a position on, segment by segment."""

    def __init__(self, segments: Segments, size: int, system: int | None) -> None:
        self._segments = segments
        self._size = size
        self._system = system
        self.faults: list[LogFault] = []
        self.missing: int | None = None
        self._magic = 0

    def follow(self, start: int, end: int, backup: int | None = None) -> Followed:
        """Follow the records from one that begins at `start` to at least `end`, as far as that goes.

        With `backup`, where a backup began, only to the record of its end.
        """
        behind, previous, count = start, None, 0
        ends: dict[int, int] = {}
        for at, record in self._records(start):
            length, _, back, info, manager, _ = _RECORD.unpack_from(record)
            if previous is not None and back != previous:
                self._fault(at, f"its record names another one before it than the one at {position(previous)}")
                break
            previous, count = at, count + 1
            behind = -(-self._behind(at, length) // 8) * 8
            if manager == _XLOG and info & _INFO == _BACKUP_END:
                ends[int.from_bytes(bytes(record[_HEADER + 2 : _HEADER + 10]), "little")] = behind
            if behind >= end or (backup is not None and backup in ends):
                break
        return Followed(end=behind, records=count, backup_ends=ends)

    def made_whole(self, start: int, end: int) -> set[Block]:
        """The blocks that records between two positions make whole."""
        found: set[Block] = set()
        for at, record in self._records(start):
            if at >= end:
                break
            found.update(blocks_of(record, self._magic))
        return found

    def _behind(self, at: int, length: int) -> int:
        """The position behind a record of that length, as the server counts: headers of pages lie in between."""
        here, left = at, length
        while left:
            if here % PAGE == 0:
                here += _LONG if here % self._size == 0 else _SHORT
            part = min(left, PAGE - here % PAGE)
            here, left = here + part, left - part
        return here

    def _records(self, start: int) -> Iterator[tuple[int, memoryview]]:
        """Whole records whose checksums hold, each with its position."""
        import crc32c

        text = _Text(self._plain, self._size, start)
        while (head := text.look(4)) is not None:
            at, length = text.position, int.from_bytes(head, "little")
            if length == 0:
                return  # behind the end of what was written a page is zeros
            if not _HEADER <= length <= MOST_RECORD:
                self._fault(at, f"a record is said to have {length:,} bytes")
                return
            record = text.take(length)
            if record is None:
                return
            _, _, _, info, manager, checksum = _RECORD.unpack_from(record)
            if crc32c.crc32c(record[:20], crc32c.crc32c(record[_HEADER:])) != checksum:
                self._fault(at, "the checksum of its record doesn't hold")
                return
            yield at, record
            if manager == _XLOG and info & _INFO == _SWITCH:
                text.next_segment()

    def _plain(self, segment: int) -> memoryview | None:
        """The records' bytes of a segment, without the headers of its pages, which are checked; None where it ends."""
        data = self._segments(segment)
        if data is None:
            self.missing = segment if self.missing is None else self.missing
            return None
        if len(data) != self._size:
            self._fault(segment, f"its segment has {len(data):,} bytes, where {self._size:,} belong")
            return None
        pages = np.frombuffer(data, np.uint8).reshape(-1, PAGE)
        problem = self._heads(pages, segment)
        if problem is not None:
            self._fault(*problem)
            pages = pages[: (problem[0] - segment) // PAGE]
            if not len(pages):
                return None
        return memoryview(np.concatenate([pages[0, _LONG:], pages[1:, _SHORT:].reshape(-1)]).tobytes())

    def _heads(self, pages: NDArray[np.uint8], segment: int) -> tuple[int, str] | None:
        """The first page whose header can't be, with the reason; pages that were never written are zeros."""
        head = segment_head(pages[0, :_LONG].tobytes())
        if head is None or head.page != PAGE:
            return segment, "the segment doesn't begin like one"
        if head.start != segment:
            return segment, f"the segment is the one of {position(head.start)}, under another one's name"
        self._magic = head.magic
        if self._system is not None and head.system != self._system:
            return segment, f"the segment is of another cluster, with the system identifier {head.system}"
        fields = pages[:, :16].copy().view("<u2")
        address = pages[:, 8:16].copy().view("<u8")[:, 0]
        expected = segment + np.arange(len(pages), dtype=np.uint64) * np.uint64(PAGE)
        wrong = (fields[:, 0] != head.magic) | (address != expected)
        # Behind the last page that was written, a segment may hold zeros, or what it held before it was taken anew.
        bad = np.flatnonzero(wrong)
        if len(bad) and bool(pages[int(bad[0])].any()) and not self._is_older(address[bad[0]], segment):
            return int(expected[bad[0]]), "the header of a page of the log makes no sense"
        return (int(expected[bad[0]]), "") if len(bad) else None

    @staticmethod
    def _is_older(address: np.uint64, segment: int) -> bool:
        return int(address) < segment and int(address) % PAGE == 0

    def _fault(self, position: int, problem: str) -> None:
        if problem:
            self.faults.append(LogFault(position=position, problem=problem))


class _Text:
    """The records' bytes of a log from a position on, across segments."""

    def __init__(self, plain: Callable[[int], memoryview | None], size: int, start: int) -> None:
        self._plain = plain
        self._size = size
        self._segment = start - start % size
        self._text = plain(self._segment)
        self._offset = _offset_in(start - self._segment)

    @property
    def position(self) -> int:
        """Where the next byte stands in the log."""
        return self._segment + _position_in(self._offset)

    def next_segment(self) -> None:
        """Go on at the beginning of the next segment."""
        self._segment += self._size
        self._text = self._plain(self._segment)
        self._offset = 0

    def look(self, length: int) -> memoryview | None:
        """The next bytes, at most eight, which stay unread; None at the end. Records begin at multiples of eight."""
        if self._text is not None and self._offset >= len(self._text):
            self.next_segment()
        return None if self._text is None else self._text[self._offset : self._offset + length]

    def take(self, length: int) -> memoryview | None:
        """A record of that length, and on to where the next one begins; None where the log ends in it."""
        if self._text is not None and self._offset + length <= len(self._text):
            record = self._text[self._offset : self._offset + length]
            self._offset += -(-length // 8) * 8
            return record
        parts, have = [], 0
        while self._text is not None:
            part = self._text[self._offset : self._offset + length - have]
            parts.append(part)
            have += len(part)
            if have == length:
                self._offset += -(-len(part) // 8) * 8
                return memoryview(b"".join(parts))
            self.next_segment()
        return None


def _offset_in(position: int) -> int:
    """Where a position of a segment stands in its text without headers of pages."""
    page, rest = divmod(position, PAGE)
    if page == 0:
        return max(0, rest - _LONG)
    return (PAGE - _LONG) + (page - 1) * (PAGE - _SHORT) + max(0, rest - _SHORT)


def _position_in(offset: int) -> int:
    """The position in a segment of an offset in its text without headers of pages."""
    if offset < PAGE - _LONG:
        return offset + _LONG
    page, rest = divmod(offset - (PAGE - _LONG), PAGE - _SHORT)
    return (page + 1) * PAGE + _SHORT + rest

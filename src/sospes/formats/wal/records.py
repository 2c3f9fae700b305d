"""Follows PostgreSQL's write-ahead log: the headers of its pages, and its records with checksums and back links.

Sources: PostgreSQL, src/include/access/xlog_internal.h (page headers), xlogrecord.h (records). A record's checksum
covers its body first, then its header. Records run across pages and segments; positions are offsets in the whole log,
in bytes. One loop finds the records and sums up their bodies; all else is done with whole arrays.
"""

from __future__ import annotations

import struct
from collections.abc import Callable, Generator, Iterator, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Protocol

import numpy as np
from numpy.typing import NDArray

from sospes.formats.wal.segments import HEAD_BYTES, SegmentHead, segment_head
from sospes.model.moments import position

HEADER = 24
"""Bytes of a record's header."""

MOST_RECORD = 1 << 30
"""Bytes that a record may have at most (1020 MiB since version 16)."""

XLOG, TRANSACTION = 0, 1
"""Managers of records: of the log itself, and of transactions."""

SWITCH, BACKUP_END, KIND = 0x40, 0x50, 0xF0
"""Records of the log itself: the rest of the segment is empty; a backup ends. What tells them is in these bits."""

TOP_TRANSACTION, ORIGIN, LONG_DATA, SHORT_DATA = 252, 253, 254, 255
"""Parts of a record that are no blocks, by their first byte; the main data, long or short, come last."""

_SHORT, _LONG = 24, HEAD_BYTES
_CONTINUES, _HAS_LONG, _OVERWRITTEN, _FLAGS = 1, 2, 8, 0x000F
_UNLIKE = "a page of the log goes on with another record than the one before it"
_ZEROS = "zeros stand where a record belongs"
_AT_ONCE = 1 << 20
"""Bytes of pages that are worked on together."""

_length_at = struct.Struct("<I").unpack_from


class Segment(Protocol):
    """A segment that can be read: the timeline that it is of, what people call it, and its plain bytes."""

    @property
    def timeline(self) -> int:
        """The timeline that it is of; its first pages may be its parent's."""
        ...

    @property
    def name(self) -> str:
        """What people call it."""
        ...

    @property
    def latest(self) -> int:
        """The newest timeline that a page of it may be of."""
        ...

    @property
    def partial(self) -> bool:
        """Whether it is the unfinished end of a timeline, which may be short."""
        ...

    def blocks(self) -> Iterator[bytes]:
        """Its bytes, unpacked."""
        ...


Segments = Callable[[int], Segment | None]
"""Gives the segment that begins at a position; None where there is none."""


@dataclass(frozen=True, slots=True, kw_only=True)
class LogFault:
    """A place where the log can't be followed: its position, what is wrong there, and in which segment.

    last  nothing of the log stands behind it: a crash may have torn it
    """

    position: int
    problem: str
    segment: str
    last: bool = False


@dataclass(frozen=True, kw_only=True)
class Records:
    """Whole records in a row whose checksums hold, in arrays of shape (records,).

    text       their bytes, without headers of pages; starts and lengths are in it
    positions  where they begin in the log; `ends` where the next one begins at the earliest
    """

    text: bytes
    starts: NDArray[np.int64]
    lengths: NDArray[np.int64]
    positions: NDArray[np.int64]
    ends: NDArray[np.int64]
    heads: NDArray[np.uint8]
    magic: int
    timeline: int

    @cached_property
    def kinds(self) -> NDArray[np.uint8]:
        """What kind of record it is, to its manager."""
        return self.heads[:, 16]

    @cached_property
    def managers(self) -> NDArray[np.uint8]:
        """Whose record it is."""
        return self.heads[:, 17]

    @cached_property
    def transactions(self) -> NDArray[np.uint32]:
        """Whose change it is; 0 for nobody's."""
        found: NDArray[np.uint32] = self.heads[:, 4:8].copy().view("<u4")[:, 0]
        return found

    def record(self, index: int) -> memoryview:
        """The bytes of one record."""
        start = int(self.starts[index])
        return memoryview(self.text)[start : start + int(self.lengths[index])]

    def upto(self, count: int) -> Records:
        """The first of them."""
        return Records(
            text=self.text, starts=self.starts[:count], lengths=self.lengths[:count],
            positions=self.positions[:count], ends=self.ends[:count], heads=self.heads[:count], magic=self.magic,
            timeline=self.timeline,
        )  # fmt: skip


@dataclass(slots=True)
class _Begun:
    """A record that goes on in the next stretch: where it begins in the log, and how many bytes it has in all."""

    position: int = 0
    wanted: int = 0
    parts: list[bytes] = field(default_factory=list)
    have: int = 0

    def add(self, text: bytes) -> None:
        """Take in what there is of it."""
        self.parts.append(text)
        self.have += len(text)

    def joined(self, text: bytes) -> tuple[bytes, int]:
        """What there is of it and the text behind it, and how much of that was there before."""
        return (b"".join([*self.parts, text]), self.have) if self.have else (text, 0)


@dataclass(slots=True)
class _Stretch:
    """Pages in a row of one segment, as text; how its offsets become positions.

    begin    the position of its first page, `page` bytes of a page, `long` whether that one has the long header
    going_on bytes of a record that each page says it goes on with
    fresh    what came before was given up, as its record was broken off by a crash
    follows  whether it follows on pages that were read before
    more     whether pages of the log may follow in its segment
    """

    text: bytes
    begin: int
    page: int
    long: bool
    going_on: NDArray[np.int64]
    fresh: bool
    follows: bool
    timeline: int
    magic: int
    more: bool

    def positions(self, offsets: NDArray[np.int64]) -> NDArray[np.int64]:
        first = self.page - (_LONG if self.long else _SHORT)
        behind = offsets - first
        number = np.where(behind < 0, 0, 1 + behind // (self.page - _SHORT))
        inside = np.where(behind < 0, offsets + (self.page - first), behind % (self.page - _SHORT) + _SHORT)
        return self.begin + number * self.page + inside

    def offset(self, at: int) -> int:
        """Where a position stands in the text; of one in a page's header, where the text of that page begins."""
        number, inside = divmod(at - self.begin, self.page)
        first = self.page - (_LONG if self.long else _SHORT)
        if number == 0:
            return max(0, inside - (self.page - first))
        return first + (number - 1) * (self.page - _SHORT) + max(0, inside - _SHORT)

    def borders(self) -> NDArray[np.int64]:
        """Where its pages begin in its text."""
        first = self.page - (_LONG if self.long else _SHORT)
        later = first + np.arange(len(self.going_on) - 1, dtype=np.int64) * (self.page - _SHORT)
        return np.concatenate([np.zeros(1, np.int64), later])

    def ends_with(self, text: bytes, at: int) -> bool:
        """Whether nothing of the log stands behind the page where something in `text` begins."""
        return not self.more and not text[at + self.page :].strip(b"\0")


@dataclass(slots=True)
class _Part:
    """The text of a stretch behind what was begun before it, and the records in it.

    starts, bodies  where whole records begin, and the checksums of their bodies
    rest, here      where what is left behind them begins, in the text and in the log
    wanted          bytes that the record has which begins there
    """

    stretch: _Stretch
    text: bytes
    carried: int
    carry_at: int
    begin: int
    starts: list[int]
    bodies: list[int]
    rest: int

    @classmethod
    def of(cls, stretch: _Stretch, begun: _Begun, start: int) -> _Part:
        """The records of a stretch, of which those from a position on are wanted."""
        text, carried = begun.joined(stretch.text)
        begin = stretch.offset(start) if start > stretch.begin else 0
        starts, bodies, rest = _found(text, begin)
        return cls(stretch, text, carried, begun.position, begin, starts, bodies, rest)

    @property
    def here(self) -> int:
        return int(_places(self.stretch, np.array([self.rest]), self.carried, self.carry_at)[0])

    @property
    def wanted(self) -> int:
        return int(_length_at(self.text, self.rest)[0]) if self.rest + 4 <= len(self.text) else 0

    def judged(self, previous: int | None) -> tuple[Records, int, LogFault | None]:
        """The records, how many of them are sound from the first one on, and what is wrong behind those."""
        found = _as_arrays(self.stretch, self.text, self.starts, (self.carried, self.carry_at))
        good, odd = _judged(found, previous, self.bodies)
        page = _unlike(self.stretch, [*self.starts, self.rest], [*found.lengths, self.wanted], self.carried, self.begin)
        if page is not None and (not odd or page < int(found.positions[good])):
            good = int(np.searchsorted(found.ends, page, "right"))
            return found, good, LogFault(position=page, problem=_UNLIKE, segment="")
        if not odd:
            return found, good, None
        last = self.stretch.ends_with(self.text, int(found.starts[good]))
        return found, good, LogFault(position=int(found.positions[good]), problem=odd, segment="", last=last)


class Log:
    """The log from a position on, segment by segment, along the timelines that `segments` chooses.

    faults   where it can't be followed; reading stops there
    missing  the position of the first segment that is not there
    end      the position behind the last whole record, where the next one begins
    count    records by now
    unfinished  a record was begun behind them, and goes on where nothing is any more
    """

    def __init__(self, segments: Segments, size: int, system: int | None) -> None:
        self._segments = segments
        self._size = size
        self._system = system
        self.faults: list[LogFault] = []
        self.missing: int | None = None
        self.end: int | None = None
        self.count = 0
        self.unfinished = False
        self._name = ""
        self._timeline = 0
        self._switched = 0  # up to here nothing is to be read, as a record says
        self._ended = 0  # here zeros begin

    def records(self, start: int) -> Iterator[Records]:
        """Whole records whose checksums hold, from one that begins at `start`, as far as that goes."""
        begun = _Begun()
        previous: int | None = None
        for stretch in self._stretches(start):
            if stretch.begin < self._switched:
                continue
            if self._ended:
                if stretch.text.strip(b"\0"):
                    self._fault(self._ended, _ZEROS)
                    return
                continue
            if stretch.fresh:
                begun, previous = _Begun(), None
            if begun.wanted > begun.have + len(stretch.text):
                where = _unlike(stretch, [0], [begun.wanted], begun.have, 0)
                if where is not None:
                    self._fault(where, _UNLIKE)
                    return
                begun.add(stretch.text)
                continue
            part = _Part.of(stretch, begun, start)
            found, good, odd = part.judged(previous)
            if good:
                self.count += good
                self.end = int(found.ends[good - 1])
                previous = int(found.positions[good - 1])
                yield found if good == len(found.starts) else found.upto(good)
            if odd is not None:
                self.faults.append(replace(odd, segment=self._name))
                return
            begun = self._left(part, switched=good > 0 and _is_switch(found))
            self.unfinished = begun.have > 0
            if self.faults:
                return

    def _left(self, part: _Part, *, switched: bool) -> _Begun:
        """What is left behind the last whole record: the beginning of another one, or the end."""
        left, wanted = part.text[part.rest :], part.wanted
        if switched:
            self.end = self._switched = part.stretch.begin // self._size * self._size + self._size
        elif left and not wanted:
            if left.strip(b"\0"):
                self._fault(part.here, _ZEROS)
            self._ended = part.here
        elif left and not HEADER <= wanted <= MOST_RECORD:
            last = part.stretch.ends_with(part.text, part.rest)
            self._fault(part.here, f"a record is said to have {wanted:,} bytes", last=last)
        elif left:
            begun = _Begun(part.here, wanted)
            begun.add(left)
            return begun
        return _Begun()

    def _stretches(self, start: int) -> Iterator[_Stretch]:
        """Pages in a row whose headers hold, from the one with `start` on."""
        segment, self._timeline = start - start % self._size, 0
        while True:
            found = self._segments(segment)
            if found is None:
                self.missing = segment
                return
            self._name = found.name
            length = yield from self._segment(found, segment, start)
            if self.faults or length is None:
                return
            if length != self._size and found.partial:
                return
            if length != self._size:
                where = segment + min(length, self._size) // 8192 * 8192
                self._fault(where, f"its segment has {length:,} bytes, where {self._size:,} belong")
                return
            segment += self._size

    def _segment(self, found: Segment, segment: int, start: int) -> Generator[_Stretch, None, int | None]:
        """The pages of one segment; afterwards its length in bytes, None where the log ends in it."""
        head: SegmentHead | None = None
        at, ended = segment, 0
        for data in _in_pages(found.blocks()):
            if head is None:
                head = self._head(data, segment)
                if head is None:
                    return None
            pages = np.frombuffer(data, np.uint8, len(data) - len(data) % head.page).reshape(-1, head.page)
            skipped = min(max(0, (start - at) // head.page), len(pages))  # what lies before is not asked for
            pages, at, behind = pages[skipped:], at + skipped * head.page, at + len(data)
            good, problem = (0, "") if ended else self._pages(pages, at, head, found.latest)
            # Behind its end a segment may hold zeros, or what it held before it was taken anew.
            if (ended or good < len(pages)) and _resumes(pages[good:], at + good * head.page, head):
                problem = problem or "pages of zeros stand in the midst of the log"
            if good:
                more = good == len(pages) and behind - segment < self._size
                yield from self._cut_up(pages[:good], at, head, start, more=more)
            ended = ended or (at + good * head.page if good < len(pages) else 0)
            if problem:
                self._fault(ended, problem)
                return None
            at = behind
        if head is None:
            self._fault(segment, "the segment is empty")
            return None
        is_end = ended and self._switched <= segment and at - segment == self._size
        return None if is_end else at - segment

    def _head(self, data: bytes, segment: int) -> SegmentHead | None:
        """The long header of a segment; None where it can't be the one that is looked for, which is a fault."""
        head = segment_head(data[:HEAD_BYTES])
        if head is None:
            self._fault(segment, "the segment doesn't begin like one")
            return None
        if head.start != segment:
            self._fault(segment, f"the segment is the one of {position(head.start)}, under another one's name")
            return None
        if self._system is not None and head.system != self._system:
            self._fault(segment, f"the segment is of another cluster, with the system identifier {head.system}")
            return None
        if head.size != self._size:
            self._fault(segment, f"the segment says that segments have {head.size:,} bytes, not {self._size:,}")
            return None
        return head

    def _pages(self, pages: NDArray[np.uint8], at: int, head: SegmentHead, timeline: int) -> tuple[int, str]:
        """How many pages in a row belong to the log of that timeline, and what is wrong with the next one."""
        halves = pages[:, :4].copy().view("<u2")
        lines = pages[:, 4:8].copy().view("<u4")[:, 0].astype(np.int64)
        address = pages[:, 8:16].copy().view("<u8")[:, 0]
        wrong = (halves[:, 0] != head.magic) | (address != _expected(pages, at))
        is_first = _expected(pages, at) % np.uint64(head.size) == 0
        wrong |= ((halves[:, 1] & ~np.uint16(_FLAGS)) != 0) | (((halves[:, 1] & _HAS_LONG) != 0) != is_first)
        first = int(np.flatnonzero(wrong)[0]) if wrong.any() else len(pages)
        lines = lines[:first]
        strange = np.flatnonzero(
            (np.maximum.accumulate(lines) != lines) | (lines > timeline) | (lines < self._timeline)
        )
        if len(strange):
            return int(strange[0]), f"a page of timeline {lines[strange[0]]} stands in the log of timeline {timeline}"
        self._timeline = int(lines[-1]) if first else self._timeline
        if first == len(pages) or not pages[first].any() or _is_older(int(address[first]), at, head.page):
            return first, ""
        return first, "the header of a page of the log makes no sense"

    def _cut_up(
        self, pages: NDArray[np.uint8], at: int, head: SegmentHead, start: int, *, more: bool
    ) -> Iterator[_Stretch]:
        """The text of pages, anew wherever a record was broken off by a crash."""
        flags = pages[:, 2:4].copy().view("<u2")[:, 0]
        going_on = np.where(flags & _CONTINUES, pages[:, 16:20].copy().view("<u4")[:, 0].astype(np.int64), 0)
        anew = [int(index) for index in np.flatnonzero(flags & _OVERWRITTEN) if index]
        for begin, end in zip([0, *anew], [*anew, len(pages)], strict=True):
            if begin >= end:
                continue
            here = at + begin * head.page
            is_long = here % self._size == 0
            first = pages[begin, _LONG if is_long else _SHORT :]
            yield _Stretch(
                text=np.concatenate([first, pages[begin + 1 : end, _SHORT:].reshape(-1)]).tobytes(), begin=here,
                page=head.page, long=is_long, going_on=going_on[begin:end],
                fresh=bool(flags[begin] & _OVERWRITTEN), follows=here > start, timeline=self._timeline,
                magic=head.magic, more=more or end < len(pages),
            )  # fmt: skip

    def _fault(self, where: int, problem: str, *, last: bool = False) -> None:
        self.faults.append(LogFault(position=where, problem=problem, segment=self._name, last=last))


_NO_HEADS = np.empty((0, HEADER), np.uint8)


def _in_pages(blocks: Iterator[bytes]) -> Iterator[bytes]:
    """The same bytes, in parts that hold whole pages of any size; the last one may be short."""
    rest = b""
    for data in blocks:
        rest = rest + data if rest else data
        cut = len(rest) - len(rest) % _AT_ONCE
        if cut:
            yield from (rest[at : at + _AT_ONCE] for at in range(0, cut, _AT_ONCE))
            rest = rest[cut:]
    if rest:
        yield rest


def _found(text: bytes, at: int) -> tuple[list[int], list[int], int]:
    """Where whole records begin, the checksums of their bodies, and where what is left begins."""
    from crc32c import crc32c

    view, end, length_at = memoryview(text), len(text), _length_at
    starts: list[int] = []
    bodies: list[int] = []
    begins, sums = starts.append, bodies.append
    while at + HEADER <= end:
        [length] = length_at(text, at)
        stop = at + length
        if stop > end or not HEADER <= length <= MOST_RECORD:
            break
        begins(at)
        sums(crc32c(view[at + HEADER : stop]))
        at = (stop + 7) & -8  # headers of pages are multiples of eight, so this holds in the text as in the log
    return starts, bodies, min(at, end)


def _places(stretch: _Stretch, offsets: NDArray[np.int64], carried: int, carry_at: int) -> NDArray[np.int64]:
    """Positions of offsets in a stretch's text behind what was carried over, which is one record's beginning."""
    found = stretch.positions(offsets - carried)
    return np.where(offsets < carried, carry_at, found) if carried else found


def _as_arrays(stretch: _Stretch, text: bytes, starts: list[int], before: tuple[int, int]) -> Records:
    """Records as arrays; `before` is how much was carried over into the text, and the position that begins at."""
    begins = np.array(starts, np.int64)
    heads = np.frombuffer(text, np.uint8)[begins[:, None] + np.arange(HEADER)] if starts else _NO_HEADS
    lengths = heads[:, :4].copy().view("<u4")[:, 0].astype(np.int64)
    ends = _places(stretch, begins + lengths - 1, *before) + 1
    return Records(
        text=text, starts=begins, lengths=lengths, positions=_places(stretch, begins, *before),
        ends=-(-ends // 8) * 8, heads=heads, magic=stretch.magic, timeline=stretch.timeline,
    )  # fmt: skip


def _judged(found: Records, previous: int | None, bodies: list[int]) -> tuple[int, str]:
    """How many of the records are sound from the first one on, and what is wrong with the next one."""
    if not bodies:
        return 0, ""
    heads = found.heads
    bad = _with_headers(np.array(bodies, np.uint32), heads) != heads[:, 20:24].copy().view("<u4")[:, 0]
    links = heads[:, 8:16].copy().view("<i8")[:, 0]
    unlinked = np.empty(len(bodies), bool)
    unlinked[0] = previous is not None and links[0] != previous
    unlinked[1:] = links[1:] != found.positions[:-1]
    wrong = np.flatnonzero(bad | unlinked)
    if not len(wrong):
        return len(bodies), ""
    first = int(wrong[0])
    if bad[first]:
        return first, "the checksum of its record doesn't hold"
    return first, f"its record names another one before it, at {position(int(links[first]))}"


def _unlike(stretch: _Stretch, starts: list[int], lengths: Sequence[int], carried: int, begin: int) -> int | None:
    """The position of the first page that goes on with another record than there is; None where all do.

    Records begin at `starts` of the text, in which this stretch follows on what was `carried` over.
    """
    borders = stretch.borders() + carried
    begins, sizes = np.array(starts, np.int64), np.array(lengths, np.int64)
    which = np.searchsorted(begins, borders, "right") - 1
    left = np.maximum(begins[which] + sizes[which] - borders, 0)
    left = np.where(begins[which] == borders, 0, left)  # a record that begins right at a border doesn't go on there
    wrong = np.flatnonzero((left != stretch.going_on) & (which >= 0) & (borders > begin))
    unasked = not carried and not begin and stretch.follows and not stretch.fresh and bool(stretch.going_on[0])
    if unasked:
        return stretch.begin
    return stretch.begin + int(wrong[0]) * stretch.page if len(wrong) else None


def _expected(pages: NDArray[np.uint8], at: int) -> NDArray[np.uint64]:
    """The positions of pages in a row from one on."""
    return np.uint64(at) + np.arange(len(pages), dtype=np.uint64) * np.uint64(pages.shape[1])


def _resumes(pages: NDArray[np.uint8], at: int, head: SegmentHead) -> bool:
    """Whether pages of this very segment stand behind what looked like its end."""
    address = pages[:, 8:16].copy().view("<u8")[:, 0]
    magic = pages[:, :2].copy().view("<u2")[:, 0]
    return bool(((address == _expected(pages, at)) & (magic == head.magic)).any())


def _is_switch(found: Records) -> bool:
    return bool(found.managers[-1] == XLOG and found.kinds[-1] & KIND == SWITCH)


def _is_older(address: int, at: int, page: int) -> bool:
    return address < at and address % page == 0


def _tables() -> NDArray[np.uint32]:
    """Tables of CRC-32C for four bytes at a time."""
    table = np.arange(256, dtype=np.uint32)
    for _ in range(8):
        table = np.where(table & 1, (table >> 1) ^ np.uint32(0x82F63B78), table >> 1).astype(np.uint32)
    tables = [table]
    for _ in range(3):
        tables.append((tables[-1] >> 8) ^ table[tables[-1] & 0xFF])
    return np.stack(tables)


_TABLES = _tables()


def _with_headers(bodies: NDArray[np.uint32], heads: NDArray[np.uint8]) -> NDArray[np.uint32]:
    """Checksums of bodies, gone on with the first 20 bytes of their headers."""
    value = ~bodies
    words = heads[:, :20].copy().view("<u4")
    for index in range(5):
        value = value ^ words[:, index]
        value = (
            _TABLES[3][value & 0xFF] ^ _TABLES[2][(value >> 8) & 0xFF]
            ^ _TABLES[1][(value >> 16) & 0xFF] ^ _TABLES[0][value >> 24]
        )  # fmt: skip
    return ~value


def first_begin(found: Segment, segment: int, head: SegmentHead, behind: int) -> int | None:
    """Where the first record begins in a segment, on a page at or behind a position; None where none does.

    A page says how many bytes of a record it goes on with; behind them, if they end on it, the next record begins.
    """
    at = segment
    for data in _in_pages(found.blocks()):
        for start in range(0, len(data) - HEADER, head.page):
            here = at + start
            magic, flags, _, address, going_on = struct.unpack_from("<HHIQI", data, start)
            if here < behind or magic != head.magic or address != here:
                continue
            room = head.page - (_LONG if here % head.size == 0 else _SHORT)
            left = -(-going_on // 8) * 8 if flags & _CONTINUES else 0
            if left < room:
                return here + head.page - room + left
        at += len(data)
    return None

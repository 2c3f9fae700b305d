"""Where an archive's data lie: behind its contents in one file. All stores give members in order.

A member's blocks count plain bytes from 0; `stored_to` counts in the file that the member is in.
"""

from __future__ import annotations

from bisect import bisect_right
from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from typing import Protocol

from sospes.formats.archive.bytestream import BlockStream, ByteStream, CutShort
from sospes.formats.archive.contents import ArchiveHeader, BadContents, OffsetState, TocEntry, read_entries
from sospes.formats.archive.joining import BLOCK_SIZE, Joiner
from sospes.model.findings import Finding, Place, fault, note
from sospes.model.verdict import Severity
from sospes.stream.containers import CONTAINERS, ZLIB, Block, Container
from sospes.stream.unpacking import unpack

_BY_NAME = {container.name: container for container in reversed(CONTAINERS)}
Blocks = Iterator[Block | Finding]
Wanted = Callable[[int], bool]


@dataclass(frozen=True, slots=True)
class ObjectBegin:
    """The data of a large object follow."""

    number: int


LargeBlocks = Iterator[Block | Finding | ObjectBegin]


@dataclass(slots=True)
class Member:
    """The data of one entry, to be read before the next member is asked for; `large` has those of large objects."""

    identity: int
    blocks: Blocks
    large: LargeBlocks | None = None


def large_member(identity: int, large: LargeBlocks) -> Member:
    """The data of large objects."""
    return Member(identity, iter(()), large)


class Store(Protocol):
    """Gives the data of an archive's entries."""

    @property
    def bytes_read(self) -> int:
        """Stored bytes that were read by now, where no container is around all of them."""
        ...

    def members(self, wanted: Wanted) -> Iterator[Member | Finding]:
        """Members in stored order; the data of others are passed over."""
        ...

    def leftover(self) -> Iterator[Finding]:
        """What the bytes behind the last member show, once all members were read."""
        ...


def compressed(header: ArchiveHeader) -> Container | None:
    """The container that a single file's members are packed in; its gzip has no header of its own."""
    # Compression is a field of the whole archive; each member is a stream of its own.
    if header.compression is None:
        return None
    return ZLIB if header.compression == "gzip" else _BY_NAME[header.compression]


class SingleFile:
    """Members behind the table of contents: a byte for the kind, the entry's number, blocks with their lengths."""

    def __init__(self, stream: ByteStream, header: ArchiveHeader, entries: list[TocEntry]) -> None:
        self._stream = stream
        self._header = header
        self._entries = {entry.identity: entry for entry in entries}
        self._data_from = stream.offset
        self._unfinished = False
        self._offsets = sorted({entry.offset for entry in entries if entry.state is OffsetState.SET})

    @property
    def bytes_read(self) -> int:
        """How far the file was read."""
        return self._stream.offset

    def members(self, wanted: Wanted) -> Iterator[Member | Finding]:
        placed = [entry for entry in self._entries.values() if entry.state is OffsetState.SET]
        every = all(wanted(entry.identity) for entry in self._entries.values())
        # Of a few tables only their own data are read; whoever wants all walks, and so sees what no entry names.
        if placed and not every and self._stream.seekable:
            yield from self._sought([entry for entry in placed if wanted(entry.identity)])
            return
        yield from self._walked(wanted)

    def leftover(self) -> Iterator[Finding]:
        """What was found about containers around the file."""
        return self._stream.leftover()

    def _sought(self, entries: list[TocEntry]) -> Iterator[Member | Finding]:
        """Go to each entry's data by its offset: what that costs depends on these entries alone."""
        for entry in sorted(entries, key=lambda entry: entry.offset):
            self._stream.seek(entry.offset)
            try:
                kind, identity = self._member_head()
            except CutShort as cut:
                yield self._pointless(entry, f"the file ends at byte {cut.offset:,}")
                continue
            if identity != entry.identity or kind not in {1, 3}:
                yield self._pointless(entry, f"entry {identity} is there")
                continue
            yield self._member(kind, identity)

    def _pointless(self, entry: TocEntry, found: str) -> Finding:
        """The contents say that data are where they are not."""
        return fault(
            "data-misplaced",
            f"{entry.kind} {entry.tag}: its data should begin at byte {entry.offset:,}, but {found}",
            "the table of contents or the file is damaged; verify it, and take the backup from another copy",
            Place(stored_from=entry.offset, schema=entry.schema, table=entry.tag),
        )

    def _member_head(self) -> tuple[int, int]:
        """The kind of data that begins here, and the number of the entry that it is of."""
        kind = self._stream.read(1)[0]
        return kind, self._integer()

    def _integer(self) -> int:
        """The next integer."""
        return _signed(self._stream.read(1 + self._header.integer_size))

    def _walked(self, wanted: Wanted) -> Iterator[Member | Finding]:
        """Go from member to member to the end of the file; where the way is lost, to the next place of the contents."""
        if self._stream.seekable:
            self._stream.seek(self._data_from)
        while True:
            begin = self._stream.offset
            try:
                head = self._next_head(begin)
            except CutShort as cut:
                yield cut_off(cut.offset, "the head of a member")
                return
            if isinstance(head, Finding):
                yield head
                if head.severity is Severity.NOTE or not self._jumped(begin):
                    return
                continue
            if head is None:
                return
            # The contents are written before the data and their offsets filled in afterwards: both are held against
            # each other.
            kind, entry = head
            if entry.state is OffsetState.SET and entry.offset != begin:
                yield self._pointless(entry, f"they begin at {begin:,}")
            member = self._member(kind, entry.identity)
            if wanted(entry.identity):
                yield member
            # The next member begins where this one ends, which only reading tells: blocks say how long they are.
            for _ in member.large or member.blocks:
                pass  # what the reader left
            following = self._offset_after(begin)
            if following is not None and self._stream.offset != following:
                # Data that broke off were told of already; where both ends are plausible, the contents are believed.
                if not self._unfinished:
                    yield self._misled(entry, self._stream.offset, following)
                self._jumped(begin)
            if self._unfinished:
                return

    def _next_head(self, begin: int) -> tuple[int, TocEntry] | Finding | None:
        """The kind and entry of the member that begins here; None at the end."""
        first = self._stream.some(1)
        if not first:
            return None
        # An integer is a byte for its sign and as many bytes as the header says.
        number = self._stream.read(1 + self._header.integer_size)
        entry = self._entries.get(_signed(number))
        if first[0] in {1, 3} and entry is not None:
            return first[0], entry
        if self._offset_after(begin) is None and self._is_contents_again(first + number):
            return note("contents-repeated", f"the table of contents stands at the end once more, from byte {begin:,}")
        return fault(
            "data-unexpected",
            f"at byte {begin:,} the data of an entry were expected, not kind {first[0]} of entry {_signed(number)}",
            "they can't be read; take them from another copy",
            Place(stored_from=begin, stored_to=self._offset_after(begin)),
        )

    def _offset_after(self, begin: int) -> int | None:
        """Where the contents say that the next member begins, None if they don't."""
        place = bisect_right(self._offsets, begin)
        return self._offsets[place] if place < len(self._offsets) else None

    def _jumped(self, begin: int) -> bool:
        """Go to the next member that the contents place; False if there is none."""
        following = self._offset_after(begin)
        if following is None or not self._stream.seekable:
            return False
        self._stream.seek(following)
        self._unfinished = False
        return True

    def _misled(self, entry: TocEntry, end: int, following: int) -> Finding:
        """Data that end elsewhere than the next ones begin."""
        return fault(
            "data-damaged",
            f"{entry.kind} {entry.tag}: its data seem to end at byte {end:,}, but the next begin at {following:,}",
            "a length in them is damaged; take the table from another copy",
            Place(stored_from=min(end, following), stored_to=max(end, following), schema=entry.schema, table=entry.tag),
        )

    def _is_contents_again(self, taken: bytes) -> bool:
        """Whether the rest of the file is the table of contents anew: so it is where its writer could not go back."""
        rest = BlockStream(iter([Block(taken, 0, 0), *blocks_of(self._stream)]))
        try:
            again = read_entries(rest, self._header)
        except (BadContents, CutShort):
            return False
        # Only offsets may differ: those are what the writer meant to fill in.
        return not rest.some(1) and [_without_offset(entry) for entry in again] == [
            _without_offset(entry) for entry in self._entries.values()
        ]

    def _member(self, kind: int, identity: int) -> Member:
        """The data of one entry."""
        return Member(identity, self._data()) if kind == 1 else large_member(identity, self._large_objects())

    def _data(self) -> Blocks:
        """Blocks with their lengths before them, up to one of length 0."""
        container = compressed(self._header)
        if container is None:
            yield from self._gathered()
            return
        marks: list[tuple[int, int]] = []
        for block in unpack(_marked(self._gathered(), marks), container):
            yield _in_file(block, marks) if isinstance(block, Finding) else block

    def _large_objects(self) -> LargeBlocks:
        """Large objects one after the other, each with its number, up to number 0."""
        while True:
            try:
                number = self._integer()
            except CutShort as cut:
                self._unfinished = True
                yield cut_off(cut.offset, "a list of large objects")
                return
            if number == 0 or self._unfinished:
                return
            yield ObjectBegin(number)
            yield from self._data()

    def _gathered(self) -> Blocks:
        """The stored blocks of a member joined to larger ones."""
        rows = self._header.compression is None and self._stream.seekable
        limit = self._offset_after(self._stream.offset)
        try:
            yield from Joiner(self._stream, 1 + self._header.integer_size, rows, limit).blocks()
        except CutShort as cut:
            self._unfinished = True
            yield cut_off(cut.offset, "the data of an entry")


def _marked(blocks: Blocks, marks: list[tuple[int, int]]) -> Blocks:
    """The same blocks; `marks` takes where each ends in the joined data, and where in the file."""
    for block in blocks:
        if isinstance(block, Block):
            marks.append((block.plain_from + len(block.data), block.stored_to))
        yield block


def _in_file(finding: Finding, marks: list[tuple[int, int]]) -> Finding:
    """A finding about joined data, with the place in the file that the blocks around it had."""
    place = finding.place
    parts = {}
    for key, offset in (("stored_from", place.stored_from), ("stored_to", place.stored_to)):
        if offset is not None and marks:
            found = bisect_right(marks, (offset, -1))
            # Outwards to whole stored blocks: where in one a damaged byte lies can't be said.
            near = found - 1 if key == "stored_from" else min(found, len(marks) - 1)
            parts[key] = marks[near][1] if near >= 0 else 0
    return finding.at(**parts)


def _without_offset(entry: TocEntry) -> TocEntry:
    """The entry as if its contents didn't say where its data are."""
    return replace(entry, state=None, offset=0)


def _signed(data: bytes) -> int:
    """A sign byte and a number, lowest byte first."""
    value = int.from_bytes(data[1:], "little")
    return -value if data[0] else value


def cut_off(offset: int, inside: str) -> Finding:
    """The file ends where more was to come."""
    return fault(
        "truncated",
        f"the file ends inside {inside}, at byte {offset:,}",
        "the file was cut off: copy it again, or take the backup again",
        Place(stored_from=offset, stored_to=offset),
    )


def blocks_of(stream: ByteStream) -> Blocks:
    """All that a stream still has, in blocks."""
    plain = 0
    while data := stream.some(BLOCK_SIZE):
        yield Block(data, plain, plain + len(data))
        plain += len(data)


def damaged_contents(error: BadContents | CutShort) -> Finding:
    """A fault for contents that can't be read."""
    if isinstance(error, CutShort):
        return fault(
            "truncated",
            f"the file ends inside its table of contents, at byte {error.offset:,}",
            "the file was cut off: copy it again, or take the backup again",
            Place(stored_from=error.offset, stored_to=error.offset),
        )
    return fault(
        "contents-damaged",
        f"the table of contents can't be read at byte {error.offset:,}: {error.problem}",
        "without it nothing can be found in the archive; take the backup from another copy",
        Place(stored_from=error.offset),
    )

"""Unpacks containers member by member; after damage it goes on at the next block or member that can be unpacked."""

from __future__ import annotations

from collections.abc import Callable, Generator, Iterable, Iterator
from dataclasses import dataclass, field, replace

from sospes.model.findings import Finding, Place, fault
from sospes.stream.boundaries import Walker
from sospes.stream.bzip2 import Bzip2Reader
from sospes.stream.containers import BZIP2, Block, Container, Decoder, container_of
from sospes.stream.damage import cut_short, foreign, several
from sospes.stream.stored import History, StoredInput

PLAIN_SIZE = 1 << 20
"""Plain text is handed on in blocks of at most this many bytes, where the decoder sets that bound."""

FIRST_PART = 1 << 12
"""Bytes of a member that its decoder is given first; parts double, so that tiny members cost little."""

JOINED = 1 << 18
"""Blocks of fewer plain bytes are joined, as work on many small ones would cost more than unpacking."""

REMEMBERED = 4 << 20
"""Stored bytes of the current member that are kept, to look there again after damage."""

STEP = 1
"""Bytes given at a time when the place of damage is looked for."""

TRIAL = 1 << 16
"""Bytes with which a place that looks like a member's beginning is tried."""

MOST_TRIALS = 10_000
"""Places tried in vain after one damage; no real file has so many that only look like beginnings."""

_HEAD = 1 << 10
"""Bytes that hold the head of any block."""

_NEAR = 4096
"""Block starts that are looked through for the one at a place, from the last one back."""

Again = Callable[[int], Iterator[bytes]]
"""Gives the stored bytes from an offset on, once more."""


Starts = list[tuple[int, int]]
"""Pairs of stored and plain offset where members or blocks begin that can be unpacked on their own."""


def unpack(
    blocks: Iterable[Block | Finding],
    container: Container,
    again: Again | None = None,
    starts: Starts | None = None,
) -> Iterator[Block | Finding]:
    """Unpack all members. Damage is a finding, and the first block after it says that there is a gap.

    With `again` the text right before the damage is had too, however long the member is. `starts` takes where
    members begin.
    """
    if container.name == BZIP2:
        return Bzip2Reader(starts=starts).unpack(blocks)
    return _joined(_Members(blocks, container, again, starts).unpacked())


def continued(
    blocks: Iterable[Block | Finding], container: Container, prefix: bytes, at: tuple[int, int]
) -> Iterator[Block | Finding]:
    """Unpack from a member, or with `prefix` from a block in mid-member; `at` is its stored and plain offset."""
    members = _Members(blocks, container, None, None)
    members.input.peek(1)
    members.plain = at[1]
    members.input.position = at[0]
    first = None
    if prefix:
        walker = container.walker() if container.walker else None
        if walker is not None:
            walker.resume(prefix, at[0])
        history = History(at[0], REMEMBERED)
        first = _Member(
            container=container, begin=at[0], plain_begin=at[1], blocks_from=0, walker=walker, history=history,
            prefix=prefix,
        )  # fmt: skip
    return _joined(members.unpacked(first))


def _joined(blocks: Iterator[Block | Finding]) -> Iterator[Block | Finding]:
    """Small blocks in a row as one: of tiny members, or where the decoder is given little at a time."""
    parts: list[Block] = []
    size = 0
    for block in blocks:
        small = isinstance(block, Block) and not block.gap and len(block.data) < JOINED
        if parts and not (small and size < JOINED):
            yield _one_of(parts)
            parts, size = [], 0
        if isinstance(block, Block) and len(block.data) < JOINED:
            parts.append(block)
            size += len(block.data)
        else:
            yield block
    if parts:
        yield _one_of(parts)


def _one_of(parts: list[Block]) -> Block:
    """Several blocks as one, which begins where the first does and ends where the last does."""
    if len(parts) == 1:
        return parts[0]
    return replace(parts[0], data=b"".join(part.data for part in parts), stored_to=parts[-1].stored_to)


@dataclass(slots=True, kw_only=True)
class _Member:
    """A member, or the rest of one from a block on that can be unpacked without what is before it.

    begin        where it begins in the stored bytes
    plain_begin  where its text begins
    blocks_from  what the walker's offsets count from
    prefix       what its decoder is given first
    block_plain  where the text of the block begins that was last come to when it was unpacked once more
    """

    container: Container
    begin: int
    plain_begin: int
    blocks_from: int
    walker: Walker | None
    history: History
    prefix: bytes = b""
    block_plain: int = 0

    def __post_init__(self) -> None:
        self.block_plain = self.plain_begin

    def decoder(self) -> Decoder:
        """A decoder that stands at the beginning."""
        decoder = self.container.decoder()
        if self.prefix:
            decoder.decompress(self.prefix, PLAIN_SIZE)
        return decoder

    def follow(self, data: bytes, stored_to: int) -> None:
        """Have the walker follow bytes that end at `stored_to`."""
        if self.walker is not None:
            self.walker.feed(data, stored_to - len(data) - self.blocks_from)

    def behind_blocks(self, offset: int) -> bool:
        """Whether only what sums up the blocks stands there."""
        end = self.walker.end if self.walker else None
        return end is not None and offset - self.blocks_from >= end

    def start_after(self, offset: int) -> int | None:
        """Where the block after the one at `offset` begins, if that is known."""
        starts = self.walker.starts if self.walker and self._head_whole() else []
        later = [start for start in starts[-_NEAR:] if start > offset - self.blocks_from]
        return min(later) + self.blocks_from if later else None

    def _head_whole(self) -> bool:
        """Whether the member's head can stand before a later block."""
        if self.walker is None or not self.walker.prefix:
            return False
        try:
            self.container.decoder().decompress(self.walker.prefix, PLAIN_SIZE)
        except Exception:  # each decoder has error types of its own, all mean that the head is damaged
            return False
        return True

    def starts_from(self, offset: int) -> list[int]:
        """Where blocks begin, from the one at `offset` on."""
        first = self.start_before(offset)
        starts = self.walker.starts if self.walker else []
        return [first] + [start + self.blocks_from for start in starts if start + self.blocks_from > first]

    def start_before(self, offset: int) -> int:
        """Where the block at `offset` begins, as far as is known."""
        starts = self.walker.starts if self.walker else []
        earlier = [start for start in starts[-_NEAR:] if start <= offset - self.blocks_from]
        return max(self.begin, max(earlier, default=0) + self.blocks_from)

    def continued(self, begin: int, plain_begin: int) -> _Member:
        """The rest from the block that begins at `begin`."""
        assert self.walker is not None  # which told where the block begins
        return replace(
            self, begin=begin, plain_begin=plain_begin, history=History(begin, REMEMBERED), prefix=self.walker.prefix
        )


@dataclass(slots=True)
class _Members:
    """Goes from member to member, and turns what the decoders raise into findings."""

    blocks: Iterable[Block | Finding]
    container: Container
    again: Again | None
    starts: Starts | None
    input: StoredInput = field(init=False)
    members: int = 0
    plain: int = 0
    gap: bool = False
    searching: bool = False
    prefix: bytes = b""

    def __post_init__(self) -> None:
        self.input = StoredInput(self.blocks)

    def unpacked(self, rest: _Member | None = None) -> Iterator[Block | Finding]:
        """All members to the end of the stored bytes; `rest` is one that was begun."""
        while True:
            member = rest or (yield from self._next_member())
            yield from self.input.findings()
            if member is None:
                break
            rest = yield from self._member(member)
            yield from self.input.findings()
        if self.members > 1:
            yield several(self.container.name, self.members)

    # -- where members begin

    def _next_member(self) -> Generator[Finding, None, _Member | None]:
        """The next member of the container; what stands between members and is none of it is told."""
        while True:
            if self.input.at_gap:
                self.input.cross_gap()
                self.searching = self.gap = True
            if self.searching and not self._found():
                if self.input.at_gap:
                    continue
                return None
            head = bytes(self.input.peek(40))
            if not head:
                if self.input.at_gap:
                    continue
                return None
            # Tapes and some programs fill the end up with zeros, which unpackers pass over.
            if not head.strip(b"\0"):
                self.input.take(len(head))
                continue
            found = self.container if self.container.recognises(head) else container_of(head)
            if found is not None and found.name == self.container.name and len(head) >= 6:
                begin = self.input.position
                walker = found.walker() if found.walker else None
                if self.starts is not None:
                    self.starts.append((begin, self.plain))
                return _Member(
                    container=found,
                    begin=begin,
                    plain_begin=self.plain,
                    blocks_from=begin,
                    walker=walker,
                    history=History(begin, REMEMBERED),
                )
            yield foreign(self.container.name, head, self.input.position)
            # Without a mark to look for, nobody could tell where a later member begins.
            if self.container.search is None:
                return None
            self.input.take(1)
            self.searching = True

    def _found(self) -> bool:
        """Go to where the next member seems to begin; False if there is none before the end or a gap."""
        pattern = self.container.search
        trials = 0
        while pattern is not None and trials < MOST_TRIALS:
            data = self.input.peek(1 << 18)
            if not len(data):
                return False
            match = pattern.search(data)
            if match is None:
                self.input.take(max(1, len(data) - 16))
                continue
            self.input.take(match.start())
            trials += 1
            if self._begins_here():
                self.searching = False
                return True
            self.input.take(1)
        while self.input.take(1 << 20):
            pass
        return False

    def _begins_here(self) -> bool:
        """Whether what looks like the beginning of a member unpacks for some bytes: the mark alone is too short."""
        data = bytes(self.input.peek(TRIAL))
        found = container_of(data[:16])
        if found is None or found.name != self.container.name or len(data) < 6:
            return False
        try:
            decoder = found.decoder()
            for start in range(0, len(data), found.input_size):
                if decoder.decompress(data[start : start + found.input_size], PLAIN_SIZE) or decoder.eof:
                    break
        except Exception:  # each decoder has error types of its own, all mean that no member begins here
            return False
        return True

    # -- what is in them

    def _member(self, member: _Member) -> Generator[Block | Finding, None, _Member | None]:
        """Unpack a member; gives the rest of it that can be unpacked after damage in it, if there is any."""
        decoder = member.decoder()
        part, given = FIRST_PART, 0
        while not decoder.eof:
            data = b""
            if decoder.needs_input:
                data = self.input.take(min(part, member.container.input_size, self._to_next_block(member)))
                part *= 2
                if not data:
                    yield self._ended_within(member)
                    return None
                given = len(data)
                member.history.add(data)
                member.follow(data, self.input.position)
            try:
                plain = decoder.decompress(data, PLAIN_SIZE)
            except Exception as error:  # each decoder has error types of its own, all mean damage
                return (yield from self._damaged(member, given, error))
            if plain:
                yield self._block(plain)
        self.members += 1
        self.input.put_back(decoder.unused_data or b"")  # lz4 says None for nothing
        return None

    def _to_next_block(self, member: _Member) -> int:
        """With restart points to be kept: stored bytes up to the next block, which is noted where it begins."""
        if self.starts is None or member.walker is None:
            return PLAIN_SIZE
        position = self.input.position
        self.prefix = self.prefix or member.walker.prefix
        at_block = member.start_before(position) == position and position > member.begin
        if at_block and member.walker.prefix == self.prefix:  # other members' blocks would need another one
            self.starts.append((position, self.plain))
        member.walker.feed(bytes(self.input.peek(_HEAD)), position - member.blocks_from)
        following = member.start_after(position)
        return PLAIN_SIZE if following is None else following - position

    def _block(self, plain: bytes) -> Block:
        block = Block(plain, self.plain, self.input.position, self.gap)
        self.plain += len(plain)
        self.gap = False
        return block

    def _ended_within(self, member: _Member) -> Finding:
        if self.input.at_gap:
            return self._damage(member, self.input.position, "bytes of it are missing")
        return cut_short(self.container.name, self.input.position, self.plain)

    # -- damage

    def _damaged(
        self, member: _Member, failed: int, error: Exception
    ) -> Generator[Block | Finding, None, _Member | None]:
        """Get the text up to the damage, say where it is, and find where to go on."""
        at = self.input.position - failed
        for plain, position in self._once_more(member, at):
            at = position
            if plain:
                yield self._block(plain)
        text = str(error).strip().rstrip(".") or type(error).__name__
        summed_up = member.behind_blocks(at + STEP)
        whole = summed_up or ("check" in text.lower() and "block" not in text.lower())
        if not (member.prefix and summed_up):  # after damage in a block the sums at the end can't agree
            yield self._sum_differs(member, at) if whole else self._damage(member, at, text)
        self.gap = self.gap or not whole
        following = None if summed_up else member.start_after(at)
        if following is None:
            self.searching = member.container.search is not None
            self._go_to(member, member.begin + 4)
            while not self.searching and self.input.take(PLAIN_SIZE):
                pass
            return None
        self._go_to(member, following)
        return member.continued(following, self.plain)

    def _once_more(self, member: _Member, failed_from: int) -> Iterator[tuple[bytes, int]]:
        """The text before the damage that was not had yet, and how far it was unpacked."""
        if member.history.begin == member.begin:
            stored = iter([member.history.since(member.begin)])
        elif self.again is not None:
            stored = self.again(member.begin)
        else:
            return
        decoder = member.decoder()
        had = self.plain - member.plain_begin
        position = member.begin
        starts = member.starts_from(failed_from)
        produced = 0
        gained: list[bytes] = []
        for data in stored:
            start = 0
            while start < len(data):
                if position in starts:
                    member.block_plain = member.plain_begin + produced
                left = next((one - position for one in (*starts, failed_from) if one > position), STEP)
                size = min(left, member.container.input_size) if position < failed_from else STEP
                part = data[start : start + size]
                try:
                    plain = _all_of(decoder, part)
                except Exception:  # the same damage again
                    yield b"".join(gained), position
                    return
                start += len(part)
                position += len(part)
                produced += len(plain)
                if had >= len(plain):
                    had -= len(plain)
                    continue
                gained.append(plain[had:])
                had = 0
        yield b"".join(gained), position

    def _go_to(self, member: _Member, offset: int) -> None:
        """Go on reading at a place in the member, or as near before it as is remembered."""
        if offset <= self.input.position:
            self.input.put_back(member.history.since(offset))
            return
        while offset > self.input.position and (data := self.input.take(offset - self.input.position)):
            member.follow(data, self.input.position)

    def _sum_differs(self, member: _Member, at: int) -> Finding:
        """All could be unpacked, and isn't what was packed."""
        begin = member.blocks_from
        return fault(
            "container-damaged",
            f"the checksum of the {self.container.name} member from byte {begin:,} to {at + STEP:,} does not agree",
            "at least one byte of its text is wrong, which one it doesn't tell; take the backup from another copy",
            Place(stored_from=begin, stored_to=at + STEP, plain_from=member.plain_begin, plain_to=self.plain),
        )

    def _damage(self, member: _Member, at: int, why: str) -> Finding:
        begin = member.start_before(at)
        place = Place(
            stored_from=begin,
            stored_to=max(begin, min(at + STEP, self.input.position)),
            plain_from=member.block_plain,
            plain_to=self.plain,
        )
        if begin > member.begin or member.prefix:
            return fault(
                "container-damaged",
                f"the {self.container.name} block that starts at byte {begin:,} can't be unpacked: {why}",
                "what that block held is lost; take the backup from another copy",
                place,
            )
        return fault(
            "container-damaged",
            f"the {self.container.name} member that starts at byte {begin:,} can't be unpacked: {why}",
            "the damage is somewhere in that member, up to the byte named; take the backup from another copy",
            place,
        )


def _all_of(decoder: Decoder, data: bytes) -> bytes:
    """All that comes out for `data`."""
    parts = [decoder.decompress(data, PLAIN_SIZE)]
    while not decoder.needs_input and not decoder.eof:
        parts.append(decoder.decompress(b"", PLAIN_SIZE))
    return b"".join(parts)

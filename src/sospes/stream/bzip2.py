"""bzip2 block by block: each has a mark and a checksum of its own, so damage in one leaves the others.

A block begins at any bit. Source: the format as its library reads it: `BZh` and a level, blocks that begin with the
48 bits 0x314159265359 and a checksum, an end mark of 0x177245385090 with the sum of the blocks' checksums.
"""

from __future__ import annotations

import bz2
from collections.abc import Iterable, Iterator
from dataclasses import dataclass

from sospes.model.findings import Finding, Place, fault
from sospes.stream.containers import Block
from sospes.stream.damage import cut_short, foreign, several

_BLOCK_MARK = 0x314159265359
_END_MARK = 0x177245385090
_MOST_STORED = 1 << 21
"""A block of 900,000 bytes never takes so many stored ones; behind that its successor's mark was lost."""
_MARGIN = 16
"""Bytes that hold a stream's head and a mark."""


@dataclass(frozen=True, slots=True)
class Mark:
    """A mark in the stored bytes: at which bit, counted from the first byte, and whether it ends the stream."""

    bit: int
    ends: bool


def marks_in(data: bytes) -> list[Mark]:
    """All marks of blocks and of streams' ends in `data`, at any bit."""
    found = []
    for value, ends in ((_BLOCK_MARK, False), (_END_MARK, True)):
        for shift in range(8):
            # A mark that begins in mid-byte fills five whole bytes: those are looked for, the ends are compared after
            # it.
            wide = (value << (8 - shift)).to_bytes(7, "big")
            core = wide[1:6] if shift else wide[:6]
            at = data.find(core, 1 if shift else 0)
            while at >= 0:
                first = at - 1 if shift else at
                window = int.from_bytes(data[first : first + 7].ljust(7, b"\0"), "big")
                if first + 7 <= len(data) + (not shift) and window >> (8 - shift) & ((1 << 48) - 1) == value:
                    found.append(Mark(first * 8 + shift, ends))
                at = data.find(core, at + 1)
    return sorted(found, key=lambda mark: mark.bit)


def block_alone(data: bytes, begin: int, end: int, level: int) -> bytes:
    """The block from bit `begin` to bit `end` of `data` as a stream of its own."""
    first, last = begin // 8, (end + 7) // 8
    bits = int.from_bytes(data[first:last], "big") >> (last * 8 - end) & ((1 << (end - begin)) - 1)
    length = end - begin
    checksum = bits >> (length - 80) & 0xFFFFFFFF
    # An end mark and the sum make a stream of the block; the sum over one block is that block's own checksum.
    bits = bits << 80 | _END_MARK << 32 | checksum
    length += 80
    padded = (length + 7) // 8 * 8
    return b"BZh%d" % level + (bits << (padded - length)).to_bytes(padded // 8, "big")


class Bzip2Reader:
    """Unpacks streams of blocks and tells of each block that can't be.

    With `plain_from` the stored bytes begin at a block in mid-stream, whose text begins there. `starts` takes pairs
    of the stored and the plain offset where blocks begin.
    """

    def __init__(self, plain_from: int = 0, starts: list[tuple[int, int]] | None = None) -> None:
        self._starts = starts if starts is not None else []
        self._kept = b""
        self._kept_from = 0
        self._cursor = 0  # the bit in `_kept` from which marks are looked for
        self._open: int | None = None  # the bit in `_kept` where the current block begins
        self._in_stream = False
        self._level = 9
        self._sum = 0
        self._broken = False
        self._gap = False
        self._plain = plain_from
        self._resumed = plain_from > 0
        self._streams = 0

    def unpack(self, blocks: Iterable[Block | Finding]) -> Iterator[Block | Finding]:
        """All that can be unpacked, and findings."""
        for block in blocks:
            if isinstance(block, Finding):
                yield block
                continue
            if block.gap:
                yield from self._lost("bytes of it are missing", len(self._kept) * 8)
                self._kept, self._kept_from, self._cursor, self._open = b"", block.plain_from, 0, None
            self._kept += block.data
            yield from self._marked(final=False)
        yield from self._marked(final=True)
        yield from self._closing()

    def _marked(self, final: bool) -> Iterator[Block | Finding]:
        """Go through the marks that are in the kept bytes."""
        for mark in marks_in(self._kept):
            if mark.bit < self._cursor:
                continue
            # The sum behind an end mark is still to come.
            if mark.ends and mark.bit + 80 > len(self._kept) * 8 and not final:
                break
            if not self._in_stream:
                yield from self._stream_begin(mark.bit)
            if self._open is not None:
                yield from self._block(self._open, mark.bit)
            self._open, self._cursor = mark.bit, mark.bit + 1
            if mark.ends:
                yield from self._stream_end(mark.bit)
        if self._open is not None and len(self._kept) - self._open // 8 > _MOST_STORED:
            yield from self._lost("it is longer than any block", len(self._kept) * 8 - 64)
            self._open = None
        self._forget()

    def _forget(self) -> None:
        """Drop what was read: all before the open block, or before the last bytes, where a mark may begin."""
        keep = self._open // 8 if self._open is not None else max(0, len(self._kept) - _MARGIN)
        if not self._in_stream:
            keep = min(keep, self._cursor // 8)
        self._kept = self._kept[keep:]
        self._kept_from += keep
        self._cursor = max(0, self._cursor - keep * 8)
        if self._open is not None:
            self._open -= keep * 8

    def _stream_begin(self, bit: int) -> Iterator[Finding]:
        """Before the first mark of a stream stands its head."""
        head = self._kept[max(0, bit // 8 - 4) : bit // 8]
        before = self._kept[self._cursor // 8 : max(self._cursor // 8, bit // 8 - 4)]
        if before.strip(b"\0") and not self._resumed:
            yield foreign("bzip2", before, self._kept_from + self._cursor // 8)
        self._level = int(head[3:4]) if head[:3] == b"BZh" and head[3:4].isdigit() else 9
        # Whoever begins in mid-stream never sees the blocks before, so the sum at its end can't be held against it.
        self._in_stream, self._sum, self._broken = True, 0, self._resumed
        self._resumed = False

    def _block(self, begin: int, end: int) -> Iterator[Block | Finding]:
        try:
            plain = bz2.decompress(block_alone(self._kept, begin, end, self._level))
        except (OSError, ValueError) as error:
            yield from self._lost(str(error).lower(), end)
            return
        # The stream's sum: turned left by a bit before each block's checksum is put to it.
        self._sum = (self._sum << 1 & 0xFFFFFFFF | self._sum >> 31) ^ self._checksum(begin)
        self._starts.append((self._kept_from + begin // 8, self._plain))
        yield Block(plain, self._plain, self._kept_from + (end + 7) // 8, self._gap)
        self._plain += len(plain)
        self._gap = False

    def _checksum(self, bit: int) -> int:
        """The 32 bits behind a mark."""
        bits = int.from_bytes(self._kept[bit // 8 : bit // 8 + 11].ljust(11, b"\0"), "big")
        return bits >> (8 - bit % 8) & 0xFFFFFFFF

    def _lost(self, why: str, end: int) -> Iterator[Finding]:
        """The open block can't be unpacked."""
        if self._open is None:
            return
        self._gap = self._broken = True
        stored_from, stored_to = self._kept_from + self._open // 8, self._kept_from + (end + 7) // 8
        yield fault(
            "container-damaged",
            f"the bzip2 block at bytes {stored_from:,} to {stored_to:,} can't be unpacked: {why}",
            "what it held is lost, up to 900,000 bytes of text; take the backup from another copy",
            Place(stored_from=stored_from, stored_to=stored_to, plain_from=self._plain, plain_to=self._plain),
        )

    def _stream_end(self, bit: int) -> Iterator[Finding]:
        behind = (bit + 87) // 8
        if behind > len(self._kept):
            return  # the end is cut off, which the closing will say
        if not self._broken and self._checksum(bit) != self._sum:
            yield fault(
                "container-damaged",
                f"the sum of the bzip2 stream that ends at byte {self._kept_from + behind:,} does not fit its blocks",
                "a block of it is missing or a checksum is damaged; take the backup from another copy",
                Place(stored_to=self._kept_from + behind, plain_to=self._plain),
            )
        self._in_stream, self._open, self._cursor = False, None, behind * 8
        self._streams += 1

    def _closing(self) -> Iterator[Finding]:
        at = self._kept_from + len(self._kept)
        rest = self._kept[self._cursor // 8 :]
        if self._in_stream or (rest.strip(b"\0") and rest.startswith(b"BZh")):
            yield cut_short("bzip2", at, self._plain)
        elif rest.strip(b"\0"):
            yield foreign("bzip2", rest, self._kept_from + self._cursor // 8)
        if self._streams > 1:
            yield several("bzip2", self._streams)

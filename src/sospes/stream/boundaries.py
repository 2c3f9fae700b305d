"""Where the blocks of a member begin that can be unpacked on their own, from their heads alone.

Sources: "The .xz File Format" 1.1, sections 2 and 3; "LZ4 Frame Format Description" 1.6.
"""

from __future__ import annotations

from typing import Protocol

ROOM = 1 << 16
"""Bytes of a head that are kept at most; a longer one is none."""


class Walker(Protocol):
    """Follows a member from its first byte, without unpacking. Offsets count from the member's beginning.

    starts  where blocks begin, as far as it was followed, and where the next head is expected
    prefix  what must stand before a later block to have it unpacked
    end     where the blocks end and only what sums them up follows; None if that wasn't reached
    """

    starts: list[int]
    prefix: bytes
    end: int | None

    def feed(self, data: bytes, offset: int) -> None:
        """Follow bytes of the member that stand at `offset`; those that were followed already change nothing."""
        ...

    def resume(self, prefix: bytes, start: int) -> None:
        """Take up the way at a block that begins at `start`; offsets then count from where `start` does."""
        ...


class _Heads:
    """Steps from head to head; `_next` is where the next one stands, None once the way is lost."""

    def __init__(self) -> None:
        self.starts: list[int] = []
        self.prefix = b""
        self.end: int | None = None
        self._kept = b""
        self._kept_from = self._fed_to = 0
        self._next: int | None = 0

    def feed(self, data: bytes, offset: int) -> None:
        """Follow bytes of the member that stand at `offset`; those that were followed already change nothing."""
        if self._next is None or self.end is not None or offset + len(data) <= self._fed_to:
            return
        self._kept += data[self._fed_to - offset :]
        self._fed_to = offset + len(data)
        while self._next is not None and self.end is None:
            # What lies between two heads is not kept: a block may be of any size.
            skipped = min(max(0, self._next - self._kept_from), len(self._kept))
            self._kept = self._kept[skipped:]
            self._kept_from += skipped
            if self._kept_from < self._next or not self._kept:
                return
            if not self._head():
                self._next = None if len(self._kept) > ROOM else self._next
                break

    def resume(self, prefix: bytes, start: int) -> None:
        """Take up the way at a block that begins at `start`; offsets then count from where `start` does."""
        self.prefix = prefix
        self.starts = [start]
        self._kept_from = self._fed_to = self._next = start

    def _head(self) -> bool:
        """Read the head at the beginning of `_kept` and set `_next`; False if more bytes are needed."""
        raise NotImplementedError

    def _block(self, size: int) -> bool:
        """A block begins here and has `size` bytes, its head and checksum included."""
        self._next = self._kept_from + size
        self.starts.append(self._next)
        return True


class XzBlocks(_Heads):
    """Blocks of an xz stream. Only writers that work on several blocks at once put sizes into their heads."""

    _CHECK_SIZES = (0, 4, 4, 4, 8, 8, 8, 16, 16, 16, 32, 32, 32, 64, 64, 64)

    def _head(self) -> bool:
        kept = self._kept
        if self._kept_from == 0:
            if len(kept) < 12:
                return False
            self.prefix, self._next = kept[:12], 12
            self.starts.append(12)
            return True
        # Where a block's head begins with its size, 0 says that the index begins instead (section 4.1).
        if kept[0] == 0:
            self.end = self._kept_from
            return True
        # The size of a head is stored as the number of its words of four bytes, less one (section 3.1.1).
        size = (kept[0] + 1) * 4
        if len(kept) < size:
            return False
        # Bit 6 of the flags promises the packed size; without it only unpacking shows where the block ends.
        if not kept[1] & 0x40:
            self._next = None
            return True
        # Seven bits a byte, the lowest first, and the high bit says that another follows (section 1.2).
        packed, shift, position = 0, 0, 2
        while position < size:
            packed |= (kept[position] & 0x7F) << shift
            shift += 7
            position += 1
            if kept[position - 1] < 0x80:
                break
        # Zeros fill the packed data up to whole words, then comes the check, whose kind the stream's flags name.
        return self._block(size + (packed + 3) // 4 * 4 + self._CHECK_SIZES[self.prefix[7] & 0x0F])


class Lz4Blocks(_Heads):
    """Blocks of an lz4 frame, where its head says that they don't lean on each other."""

    _INDEPENDENT, _BLOCK_SUMS, _SIZE, _DICTIONARY = 0x20, 0x10, 0x08, 0x01

    def _head(self) -> bool:
        kept = self._kept
        if self._kept_from == 0:
            if len(kept) < 19:
                return False
            flags = kept[4]
            # Mark, flags, block size and the head's checksum are 7 bytes; the others are there if a flag says so.
            size = 7 + (8 if flags & self._SIZE else 0) + (4 if flags & self._DICTIONARY else 0)
            self.prefix = kept[:size]
            self._next = size if flags & self._INDEPENDENT else None
            self.starts.append(size)
            return True
        if len(kept) < 4:
            return False
        # The high bit says that the block is stored as it is, which changes nothing of its length.
        size = int.from_bytes(kept[:4], "little") & 0x7FFFFFFF
        if size == 0:
            self.end = self._kept_from
            return True
        return self._block(4 + size + (4 if self.prefix[4] & self._BLOCK_SUMS else 0))

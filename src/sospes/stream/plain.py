"""The plain text of a source: unpacked, its character width settled, read ahead by a second thread."""

from __future__ import annotations

import codecs
from bisect import bisect_right
from collections.abc import Iterable, Iterator
from dataclasses import replace

from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.places.source import Source
from sospes.stream.ahead import ReadAhead
from sospes.stream.containers import Block, container_of
from sospes.stream.unpacking import Again, Starts, unpack

DEEPEST = 3
"""Containers inside each other that are unpacked; more than that is no backup's doing."""

MOST_RATIO = 1000
"""Plain bytes for each stored one; dumps of tables reach 300 at most, files made to do harm much more."""

NO_BOMB = 64 << 20
"""Up to so many plain bytes nothing is a bomb."""

_MARKS = (
    (codecs.BOM_UTF8, "utf-8"),
    (codecs.BOM_UTF16_LE, "utf-16-le"),
    (codecs.BOM_UTF16_BE, "utf-16-be"),
)


class PlainText:
    """One pass over a source's plain text; after it, `plain_bytes` and `bytes_read` say how much that was.

    With `note_starts`, `starts` lists where members and blocks begin that can be unpacked on their own.
    """

    def __init__(self, source: Source, most_ratio: int = MOST_RATIO, *, note_starts: bool = False) -> None:
        self.source = source
        self._most_ratio = most_ratio
        self.containers: list[str] = []
        self.characters: str | None = None
        self.bytes_read = 0
        self.plain_bytes = 0
        self.starts: Starts | None = [] if note_starts else None
        self._plain_marks: list[int] = []
        self._stored_marks: list[int] = []

    def blocks(self) -> Iterator[Block | Finding]:
        """Blocks in order and findings about the containers; at the end, whether the file changed meanwhile."""
        blocks = self._peeled(self._stored())
        with ReadAhead(self._widened(blocks)) as ahead:
            for block in ahead:
                if isinstance(block, Block):
                    self.plain_bytes = block.plain_from + len(block.data)
                    self._plain_marks.append(block.plain_from)
                    self._stored_marks.append(block.stored_to)
                yield block
        yield from self.source.changes()

    def stored_range(self, plain_from: int, plain_to: int) -> tuple[int, int]:
        """The stored bytes that gave the plain range: exact without a container, else the blocks around it."""
        if not self.containers:
            return plain_from, plain_to
        first = bisect_right(self._plain_marks, plain_from) - 2
        last = bisect_right(self._plain_marks, max(plain_from, plain_to - 1)) - 1
        stored_from = self._stored_marks[first] if first >= 0 else 0
        return stored_from, self._stored_marks[last] if last >= 0 else 0

    def _stored(self) -> Iterator[Block | Finding]:
        """The stored bytes as blocks, counted."""
        for data in self.source.blocks():
            yield Block(data, self.bytes_read, self.bytes_read + len(data))
            self.bytes_read += len(data)

    def _peeled(self, blocks: Iterator[Block | Finding]) -> Iterator[Block | Finding]:
        """Unpack one container after the other, as the bytes themselves tell."""
        for _ in range(DEEPEST):
            first = _first_block(blocks)
            blocks = _chain(first, blocks)
            data = next((block.data for block in first if isinstance(block, Block)), b"")
            container = container_of(data)
            if container is None:
                break
            again: Again | None = None if self.containers or self.source.size is None else self.source.blocks
            blocks = unpack(blocks, container, again, None if self.containers else self.starts)
            blocks = self._bounded(blocks, container.name)
            self.containers.append(container.name)
        return blocks

    def _bounded(self, blocks: Iterator[Block | Finding], name: str) -> Iterator[Block | Finding]:
        """The same blocks, up to where they become more than any backup unpacks to."""
        for block in blocks:
            yield block
            if not isinstance(block, Block):
                continue
            plain = block.plain_from + len(block.data)
            if plain > NO_BOMB and plain > self._most_ratio * max(1, block.stored_to):
                yield doubt(
                    "unpacks-too-far",
                    f"{block.stored_to:,} bytes of {name} data unpack to more than {plain:,}: reading was stopped",
                    "no backup packs so well: find out what made this file; --unpack-ratio N reads on",
                    Place(stored_from=block.stored_to, plain_from=plain),
                )
                return

    def _widened(self, blocks: Iterator[Block | Finding]) -> Iterator[Block | Finding]:
        """Text in UTF-8, whatever it was saved as."""
        first = _first_block(blocks)
        head = next((block.data for block in first if isinstance(block, Block)), b"")
        blocks = _chain(first, blocks)
        for mark, name in _MARKS:
            if head.startswith(mark):
                self.characters = name
                yield note(
                    "byte-order-mark",
                    f"the text begins with a byte order mark and is saved as {name.upper()}",
                    "a server's client may need it converted to UTF-8 without the mark first",
                )
                yield from _without_mark(blocks, len(mark)) if name == "utf-8" else _as_utf8(blocks, name)
                return
        wide = _bare_utf16(head)
        if wide:
            self.characters = wide
            yield note("utf-16", f"the text is saved as {wide.upper()}", "convert it to UTF-8 before restoring")
            yield from _as_utf8(blocks, wide)
            return
        yield from blocks


def _first_block(blocks: Iterator[Block | Finding]) -> list[Block | Finding]:
    """All up to the first block, which tells what follows."""
    taken: list[Block | Finding] = []
    for block in blocks:
        taken.append(block)
        if isinstance(block, Block):
            break
    return taken


def _chain(first: Iterable[Block | Finding], rest: Iterator[Block | Finding]) -> Iterator[Block | Finding]:
    """What was taken, then the rest."""
    yield from first
    yield from rest


def _bare_utf16(head: bytes) -> str | None:
    """UTF-16 without a mark: every second byte of the head's ASCII text is zero."""
    sample = head[:64]
    if len(sample) < 16:
        return None
    if not any(sample[1::2]) and all(sample[::2]):
        return "utf-16-le"
    if not any(sample[::2]) and all(sample[1::2]):
        return "utf-16-be"
    return None


def _without_mark(blocks: Iterator[Block | Finding], length: int) -> Iterator[Block | Finding]:
    """Drop the mark; offsets go on counting it, as it stands in the file."""
    left = length
    for block in blocks:
        if isinstance(block, Block) and left:
            yield replace(block, data=block.data[left:], plain_from=block.plain_from + left)
            left = 0
        else:
            yield block


def _as_utf8(blocks: Iterator[Block | Finding], encoding: str) -> Iterator[Block | Finding]:
    """Text in UTF-8; offsets count in the converted text from here on."""
    decoder = codecs.getincrementaldecoder(encoding)(errors="replace")
    plain = 0
    stored_to = 0
    replaced = False
    for block in blocks:
        if isinstance(block, Finding):
            yield block
            continue
        stored_to = block.stored_to
        if block.gap:
            decoder.reset()
        text = decoder.decode(block.data)
        replaced = replaced or "\ufffd" in text
        data = text.lstrip("\ufeff").encode("utf-8") if plain == 0 else text.encode("utf-8")
        yield Block(data, plain, stored_to, block.gap)
        plain += len(data)
    if replaced or decoder.decode(b"", final=True):
        yield fault(
            "encoding-broken",
            f"the text is not valid {encoding.upper()} throughout",
            "take the backup from another copy",
            Place(stored_to=stored_to),
        )

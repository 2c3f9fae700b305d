"""A window on the plain text that slides forward and grows where a statement needs more."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from sospes.model.findings import Finding
from sospes.stream.containers import Block

MUCH = 8 << 20
"""Bytes that were read and are not worth keeping."""


class Window:
    """Plain text from offset `base` on, as much as was asked for; `position` is where reading stands in it."""

    def __init__(self, blocks: Iterator[Block | Finding]) -> None:
        self._blocks = blocks
        self.data = b""
        self.base = 0
        self.position = 0
        self.line = 1
        self.ended = False
        self._after_gap: Block | None = None
        self._findings: list[Finding] = []

    @property
    def offset(self) -> int:
        """Where reading stands, in bytes from the start of the plain text."""
        return self.base + self.position

    @property
    def left(self) -> int:
        """Bytes in the window that are not read yet."""
        return len(self.data) - self.position

    @property
    def broken(self) -> bool:
        """Whether the text ends here only because some of it is missing, and goes on behind that."""
        return self._after_gap is not None

    def resume(self) -> None:
        """Go on behind the missing text; what is left before it is dropped."""
        block, self._after_gap = self._after_gap, None
        if block is not None:
            self.advance(len(self.data))
            self.data, self.base, self.position, self.ended = block.data, block.plain_from, 0, False

    def grow(self, size: int = 0) -> bool:
        """Take in at least one more block, and more until `size` bytes are left to read; False at the end.

        What was read is dropped, so offsets into `data` change. Where text is missing it ends, too.
        """
        parts = [self.data[self.position :]] if self.left else []
        before = length = self.left
        while not self.ended and (length == before or length < size):
            block = next(self._blocks, None)
            if block is None:
                self.ended = True
            elif isinstance(block, Finding):
                self._findings.append(block)
            elif block.gap:
                self._after_gap = block
                self.ended = True
            else:
                # Nothing is left of the old text: the new block's own offset counts, which leaps where text was passed
                # over.
                if not parts:
                    self.base, self.position, self.data = block.plain_from, 0, b""
                parts.append(block.data)
                length += len(block.data)
        if length == before:
            return False
        self.base += self.position
        self.position = 0
        self.data = parts[0] if len(parts) == 1 else b"".join(parts)
        return True

    def advance(self, position: int, lines: int | None = None) -> None:
        """Move reading forward to `position` in the window, over `lines` line feeds if that is known."""
        self.line += count_lines(self.data, self.position, position) if lines is None else lines
        self.position = position

    def release(self) -> None:
        """Let go of what was read, if it is much; offsets into `data` change."""
        if self.position > MUCH:
            self.data = self.data[self.position :]
            self.base += self.position
            self.position = 0

    def taken_findings(self) -> list[Finding]:
        """What was found about the containers since the last call."""
        taken, self._findings = self._findings, []
        return taken


def count_lines(data: bytes, start: int, end: int) -> int:
    """The line feeds in a range; for more than a few bytes NumPy counts them faster than `bytes` does."""
    if end - start < 4096:
        return data.count(b"\n", start, end)
    values = np.frombuffer(data, dtype=np.uint8, count=end - start, offset=start)
    return int(np.count_nonzero(values == 10))

"""Stored bytes taken in parts of any size, looked at beforehand, and put back."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from sospes.model.findings import Finding
from sospes.stream.containers import Block


class StoredInput:
    """Bytes of a stream of blocks. A gap ends them until it is crossed; findings that come by are kept for taking."""

    def __init__(self, blocks: Iterable[Block | Finding]) -> None:
        self._blocks = iter(blocks)
        self._data = b""
        self._taken = 0  # how much of `_data` was taken
        self._after_gap: Block | None = None
        self._findings: list[Finding] = []
        self.position = 0

    @property
    def at_gap(self) -> bool:
        """Whether nothing is left before a place where bytes are missing."""
        return self._taken == len(self._data) and self._after_gap is not None

    def cross_gap(self) -> None:
        """Go on behind the missing bytes."""
        block, self._after_gap = self._after_gap, None
        if block is not None:
            self._data, self._taken = block.data, 0
            self.position = block.plain_from

    def peek(self, size: int) -> memoryview:
        """The next bytes, fewer than `size` only before a gap or the end."""
        while len(self._data) - self._taken < size and self._after_gap is None:
            block = next(self._blocks, None)
            if block is None:
                break
            if isinstance(block, Finding):
                self._findings.append(block)
            elif block.gap:
                self._after_gap = block
            else:
                self._data = self._data[self._taken :] + block.data if self._taken < len(self._data) else block.data
                self._taken = 0
        return memoryview(self._data)[self._taken : self._taken + size]

    def take(self, size: int) -> bytes:
        """The next bytes, at least one and at most `size`; none before a gap or at the end."""
        taken = bytes(self.peek(1) and self._data[self._taken : self._taken + size])
        self._taken += len(taken)
        self.position += len(taken)
        return taken

    def put_back(self, data: bytes) -> None:
        """Have `data`, the last bytes that were taken, again."""
        if len(data) <= self._taken:
            self._taken -= len(data)
        else:
            self._data, self._taken = data + self._data[self._taken :], 0
        self.position -= len(data)

    def findings(self) -> Iterator[Finding]:
        """What was found about the stored bytes since the last call."""
        taken, self._findings = self._findings, []
        yield from taken


class History:
    """The last bytes that were taken, at least `most` of them, to be put back or read again."""

    def __init__(self, begin: int, most: int) -> None:
        self.begin = begin
        self._most = most
        self._parts: list[bytes] = []
        self._size = 0

    def add(self, data: bytes) -> None:
        """Remember bytes that follow those that were added before."""
        self._parts.append(data)
        self._size += len(data)
        while self._size - len(self._parts[0]) > self._most:
            dropped = len(self._parts.pop(0))
            self._size -= dropped
            self.begin += dropped

    def since(self, offset: int) -> bytes:
        """What was taken from `offset` on, as far as it is remembered."""
        return b"".join(self._parts)[max(0, offset - self.begin) :]

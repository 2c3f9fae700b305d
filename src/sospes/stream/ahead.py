"""Reads ahead in a second thread, so that unpacking and checking overlap."""

from __future__ import annotations

import contextlib
import queue
import threading
from collections.abc import Iterator

from sospes.model.findings import Finding
from sospes.stream.containers import Block

WAITS = 20
"""How often the end of the reading thread is waited for, each time 0.05 s."""


class ReadAhead:
    """Runs an iterator in a thread, at most a few blocks ahead, so that unpacking and checking overlap."""

    def __init__(self, blocks: Iterator[Block | Finding], depth: int = 4) -> None:
        self._blocks = blocks
        self._queue: queue.Queue[Block | Finding | BaseException | None] = queue.Queue(depth)
        self._stop = threading.Event()
        self._thread = threading.Thread(target=self._run, daemon=True)

    def __enter__(self) -> ReadAhead:
        self._thread.start()
        return self

    def __exit__(self, *_error: object) -> None:
        self._stop.set()
        for _ in range(WAITS):  # a thread that waits for standard input is left behind, it ends with the program
            if not self._thread.is_alive():
                return
            with contextlib.suppress(queue.Empty):
                self._queue.get(timeout=0.05)

    def __iter__(self) -> Iterator[Block | Finding]:
        while (item := self._queue.get()) is not None:
            if isinstance(item, BaseException):
                raise item
            yield item

    def _run(self) -> None:
        try:
            for block in self._blocks:
                self._queue.put(block)
                if self._stop.is_set():
                    return
            self._queue.put(None)
        except BaseException as error:  # handed over to the reading thread, which raises it
            self._queue.put(error)


def ahead_of(blocks: Iterator[Block | Finding], least: int) -> Iterator[Block | Finding]:
    """The same blocks, read ahead once more than `least` bytes came: a thread is not worth it for a few."""
    size = 0
    for block in blocks:
        yield block
        size += len(block.data) if isinstance(block, Block) else 0
        if size > least:
            with ReadAhead(blocks) as rest:
                yield from rest
            return

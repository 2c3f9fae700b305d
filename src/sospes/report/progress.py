"""A progress bar with rate and time left, on a terminal only, for what takes longer than a second."""

from __future__ import annotations

import time
from types import TracebackType
from typing import TYPE_CHECKING, TextIO

if TYPE_CHECKING:
    from rich.progress import Progress, TaskID

PATIENCE = 1.0


class ProgressBar:
    """Shows how many bytes of `total` are done, and which table is on its way; silent where `stream` is no terminal."""

    def __init__(self, stream: TextIO, what: str, total: int | None, quiet: bool) -> None:
        self._stream = stream
        self._what = what
        self._total = total
        self._silent = quiet or not stream.isatty()
        self._begin = time.monotonic()
        self._bar: tuple[Progress, TaskID] | None = None
        self._last = 0.0
        self._doing, self._since = "", self._begin

    def __enter__(self) -> ProgressBar:
        return self

    def __exit__(
        self, kind: type[BaseException] | None, error: BaseException | None, trace: TracebackType | None
    ) -> None:
        if self._bar is not None:
            self._bar[0].stop()

    def __call__(self, done: int, doing: str = "", rows: int = 0) -> None:
        now = time.monotonic()
        if doing != self._doing:
            self._doing, self._since = doing, now
        if self._silent or now - self._begin < PATIENCE or now - self._last < 0.1:
            return
        self._last = now
        if self._bar is None:
            self._bar = self._started()
        bar, task = self._bar
        bar.update(task, completed=done, description=self.words(rows))

    def words(self, rows: int) -> str:
        """What is done, with the rows of the table so far and their rate."""
        seconds = self._last - self._since
        words = " ".join(word for word in (self._what, self._doing) if word)
        if not rows:
            return words
        rate = f", {rows / seconds:,.0f} rows/s" if seconds >= 1 else ""
        return f"{words}: {rows:,} rows{rate}"

    def _started(self) -> tuple[Progress, TaskID]:
        from rich.console import Console
        from rich.progress import (
            BarColumn,
            DownloadColumn,
            Progress,
            TextColumn,
            TimeRemainingColumn,
            TransferSpeedColumn,
        )

        columns = (
            TextColumn("{task.description}", markup=False), BarColumn(), DownloadColumn(binary_units=True),
            TransferSpeedColumn(), TimeRemainingColumn(),
        )  # fmt: skip
        bar = Progress(*columns, console=Console(file=self._stream), transient=True)
        task = bar.add_task(self._what, total=self._total)
        bar.start()
        return bar, task

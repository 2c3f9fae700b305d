"""The program's first lines: an interruption before anything was begun ends it without a word of Python."""

from __future__ import annotations

import os
import signal
from types import FrameType

INTERRUPTED = 130


def _stop(_signal: int, _frame: FrameType | None) -> None:
    os.write(2, b"sospes: interrupted; nothing was begun\n")
    os._exit(INTERRUPTED)


def entry() -> None:
    """The program `sospes`."""
    ignored = signal.getsignal(signal.SIGINT) is signal.SIG_IGN
    if not ignored:
        signal.signal(signal.SIGINT, _stop)
    from sospes.cli.main import entry as begin

    if not ignored:
        signal.signal(signal.SIGINT, signal.default_int_handler)
    begin()

"""The program's first lines: an interruption before anything was begun ends it without a word of Python."""

from __future__ import annotations

import _signal  # type: ignore[import-not-found]  # without the names that `signal` makes first, which takes as long as all the rest
import os
import sys
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from types import FrameType

INTERRUPTED = 130


def _stop(_signal: int, _frame: FrameType | None) -> None:
    os.write(2, b"sospes: interrupted; nothing was begun\n")
    os._exit(INTERRUPTED)


def entry() -> None:
    """The program `sospes`."""
    for ending in (_signal.SIGINT, _signal.SIGTERM, _signal.SIGHUP):
        if _signal.getsignal(ending) != _signal.SIG_IGN:  # what a night's job was told to ignore stays ignored
            _signal.signal(ending, _stop)
    # A process of ours never takes what lies in the current folder, maybe beside backups, for a module.
    os.environ["PYTHONSAFEPATH"] = "1"
    from sospes.cli.main import run

    code = run()
    if code == INTERRUPTED:  # else the interpreter may end itself by the signal, if that came while a module was made
        sys.stderr.flush()
        os._exit(code)
    sys.exit(code)

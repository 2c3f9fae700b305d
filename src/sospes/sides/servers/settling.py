"""Looks at a server once more where sessions are open that may just be ending."""

from __future__ import annotations

import time
from collections.abc import Callable
from typing import TypeVar

Found = TypeVar("Found")

_ENDING = 3.0
"""Seconds that sessions are waited for that may be ending: a server counts them for a moment longer."""

_PAUSE = 0.1


def settled(look: Callable[[], Found], ending: Callable[[Found], bool]) -> Found:
    """What `look` finds once `ending` says of it that no session is left, or after a moment."""
    deadline = time.monotonic() + _ENDING
    found = look()
    while ending(found) and time.monotonic() < deadline:
        time.sleep(_PAUSE)
        found = look()
    return found

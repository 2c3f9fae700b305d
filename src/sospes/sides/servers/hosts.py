"""What the hosts of side copies have in common, whatever the engine."""

from __future__ import annotations

import signal
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Protocol

from sospes.model.findings import Finding
from sospes.sides.servers.needs import Needs


@contextmanager
def undivided() -> Iterator[None]:
    """An interruption inside takes effect at the end: nothing is made without its mark."""
    if threading.current_thread() is not threading.main_thread():
        yield
        return
    pending: list[int] = []
    signals = (signal.SIGINT, signal.SIGTERM)
    before = {number: signal.signal(number, lambda found, _: pending.append(found)) for number in signals}
    try:
        yield
    finally:
        for number, handler in before.items():
            signal.signal(number, handler)
    if pending:
        signal.raise_signal(pending[0])


class Host(Protocol):
    """Makes databases for a side copy and connects to them.

    made  names on the server of what was made, by name in the backup
    """

    made: dict[str | None, str]

    @property
    def folder(self) -> Path | None:
        """Where the server's files are; None for a server that isn't ours."""
        ...

    @property
    def location(self) -> str:
        """Where the side copy is, as it may be shown."""
        ...

    def shortfalls(self, needs: Needs) -> list[str]:
        """What the server lacks for a backup, in words; nothing has been made yet."""
        ...

    def summary(self) -> Iterator[Finding]:
        """What was done otherwise than the backup says."""
        ...

    def remove(self) -> None:
        """Remove all that was made."""
        ...

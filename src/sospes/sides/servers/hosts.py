"""What the hosts of side copies have in common, whatever the engine."""

from __future__ import annotations

import signal
import threading
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from dataclasses import replace
from pathlib import Path
from typing import Protocol

from sospes.model.errors import CannotCheck
from sospes.model.findings import Finding, doubt
from sospes.sides.servers.address import Address
from sospes.sides.servers.marks import Naming
from sospes.sides.servers.needs import Needs
from sospes.sides.servers.private import PrivateServer

RESTORER = "sospes_restorer"
"""Who restores on a private server."""

DATABASE = "sospes_side"
"""The database of a backup that names none."""


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


def definitions_missing(names: Sequence[str]) -> Iterator[Finding]:
    """One finding for all that could not go in since the backup holds no definitions."""
    if names:
        listed = ", ".join(names[:5]) + (", ..." if len(names) > 5 else "")
        yield doubt(
            "definition-missing",
            f"the backup holds no definitions, so there is nothing to restore into: {len(names):,} times, {listed}",
            "rehearse the backup that has the definitions, or compare these rows with live",
        )


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
    def walls(self) -> tuple[str, ...] | None:
        """What is out of the server's reach; None for a server that isn't ours."""
        ...

    @property
    def stopped(self) -> CannotCheck | None:
        """Why a server of ours was stopped while it restored; None if it wasn't."""
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

    def hand_over(self) -> None:
        """Let what was made be the user's who asked for it: it is kept."""
        ...

    def remove(self) -> None:
        """Remove all that was made."""
        ...


class OnPrivateServer:
    """A host whose server is our own: it goes with all that is on it."""

    def __init__(self, server: PrivateServer) -> None:
        self.made: dict[str | None, str] = {}
        self.server = server

    @property
    def folder(self) -> Path | None:
        """Where the server's files are."""
        return self.server.folder

    @property
    def walls(self) -> tuple[str, ...] | None:
        """What is out of the server's reach."""
        return self.server.walls

    @property
    def stopped(self) -> CannotCheck | None:
        """Why the server was stopped: it would have filled the disk."""
        return self.server.stopped

    @property
    def location(self) -> str:
        """The folder."""
        return str(self.server.folder)

    def hand_over(self) -> None:
        """Nothing: a private server is never kept."""

    def remove(self) -> None:
        """Stop the server and delete its files."""
        self.server.remove()


class OnSharedServer:
    """A host on a server in use: only databases that were made are ours."""

    def __init__(self, address: Address, naming: Naming) -> None:
        self.made: dict[str | None, str] = {}
        self._address = address
        self._naming = naming

    def hand_over(self) -> None:
        """Nothing: the user made it."""

    @property
    def walls(self) -> tuple[str, ...] | None:
        """Nobody knows: the server is not ours."""
        return None

    @property
    def folder(self) -> Path | None:
        """None: the files are the server's own affair."""
        return None

    @property
    def stopped(self) -> CannotCheck | None:
        """None: it isn't ours to stop."""
        return None

    @property
    def location(self) -> str:
        """The server, and the databases that were made."""
        return ", ".join(replace(self._address, database=name).label for name in self.made.values())

    def _names(self, needs: Needs) -> list[str]:
        """The names that the databases of a backup will have."""
        return [self._naming.name(database) for database in needs.databases or (None,)]

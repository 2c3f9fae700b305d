"""One shape for restoring on a server of any engine."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Protocol

from sospes.model.entries import Name
from sospes.model.events import Event
from sospes.model.findings import Finding
from sospes.model.objects import DatabaseObject, ObjectKey
from sospes.sides.servers.hosts import Host


class EngineRestore(Protocol):
    """Takes in a backup's events on a server.

    rows     rows that went in, by table
    refused  kind and name of what the guard kept from running
    """

    @property
    def host(self) -> Host:
        """Where the side copy is made, and how it is removed."""
        ...

    rows: dict[Name, int]
    refused: list[tuple[str, str]]

    @property
    def version(self) -> str:
        """The server's version."""
        ...

    def take(self, event: Event) -> Iterator[Finding]:
        """Carry out one event; what fails is yielded."""
        ...

    def summary(self) -> Iterator[Finding]:
        """What was done otherwise than the backup says."""
        ...

    def checked(self) -> Iterator[Finding]:
        """The engine's own checks of all that was restored."""
        ...

    def objects(self, database: str | None) -> dict[ObjectKey, DatabaseObject]:
        """What there is now, besides rows, of a database of the backup."""
        ...

    def close(self) -> None:
        """Close all connections."""
        ...

    def abandon(self) -> None:
        """After an error: stop what still runs, and remove the side copy."""
        ...


@dataclass(frozen=True, slots=True, kw_only=True)
class Making:
    """How a side copy is to be made.

    workers   connections that rows and indexes go in by
    encoding  the backup's character set by its header, for a database that says nothing of its own
    several   whether statements name the databases that they go into
    walled    whether a private server is kept from everything but its own folder
    of_kin    whether the backup is of another engine, whose backups this one's servers take, too
    """

    workers: int
    encoding: str | None = None
    several: bool = False
    walled: bool = True
    of_kin: bool = False

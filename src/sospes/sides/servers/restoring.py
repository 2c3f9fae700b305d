"""One shape for restoring on any engine's private server."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Protocol

from sospes.model.entries import Engine, Name
from sospes.model.events import Event
from sospes.model.findings import Finding
from sospes.sides.servers.binaries import Binaries


class EngineRestore(Protocol):
    """Takes in a backup's events on a private server.

    rows     rows that went in, by table
    refused  kind and name of what the guard kept from running
    folder   where the server's files are
    """

    rows: dict[Name, int]
    refused: list[tuple[str, str]]

    @property
    def folder(self) -> Path | None:
        """Where the server's files are; None for a server that isn't ours."""
        ...

    @property
    def location(self) -> str:
        """Where the side copy is, as it may be shown."""
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

    def close(self) -> None:
        """Close all connections."""
        ...

    def abandon(self) -> None:
        """After an error: stop what still runs, and remove the side copy."""
        ...

    def remove(self) -> None:
        """Stop the server and delete its files."""
        ...


@dataclass(frozen=True, slots=True, kw_only=True)
class Making:
    """How a side copy is to be made.

    workers   connections that rows and indexes go in by
    encoding  the backup's character set by its header, for a database that says nothing of its own
    """

    workers: int
    encoding: str | None = None


def private_restore(engine: Engine, binaries: Binaries, work_folder: Path | None, making: Making) -> EngineRestore:
    """Start a private server for a restore. Raises CannotCheck if it doesn't start."""
    if engine is Engine.POSTGRESQL:
        from sospes.sides.servers.hosts_postgresql import PrivateHost
        from sospes.sides.servers.private_postgresql import PrivatePostgresql
        from sospes.sides.servers.restore_postgresql import PostgresqlRestore

        host = PrivateHost(PrivatePostgresql(binaries, work_folder).started(), making.encoding)
        return PostgresqlRestore(host, making.workers)
    from sospes.sides.servers.hosts_mariadb import PrivateHost as MariadbPrivateHost
    from sospes.sides.servers.private_mariadb import PrivateMariadb
    from sospes.sides.servers.restore_mariadb import MariadbRestore

    return MariadbRestore(MariadbPrivateHost(PrivateMariadb(binaries, work_folder).started()), making.workers)

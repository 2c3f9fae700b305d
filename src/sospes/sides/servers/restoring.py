"""One shape for restoring on any engine's private server."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Protocol

from sospes.model.entries import Engine, Name
from sospes.model.errors import CannotCheck
from sospes.model.events import Event
from sospes.model.findings import Finding
from sospes.model.objects import DatabaseObject, ObjectKey
from sospes.sides.servers.address import Address
from sospes.sides.servers.binaries import Binaries
from sospes.sides.servers.hosts import Host
from sospes.sides.servers.marks import Left, Naming
from sospes.sides.servers.telling import could_not_go_on


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
    of_mysql  whether the backup is of MySQL, which MariaDB servers take, too
    """

    workers: int
    encoding: str | None = None
    several: bool = False
    walled: bool = True
    of_mysql: bool = False


def private_restore(engine: Engine, binaries: Binaries, work_folder: Path | None, making: Making) -> EngineRestore:
    """Start a private server for a restore. Raises CannotCheck if it doesn't start."""
    if engine is Engine.POSTGRESQL:
        from sospes.sides.postgresql.hosts import PrivateHost
        from sospes.sides.postgresql.private import PrivatePostgresql
        from sospes.sides.postgresql.restore import PostgresqlRestore

        host = PrivateHost(PrivatePostgresql(binaries, work_folder, walled=making.walled).started(), making.encoding)
        return PostgresqlRestore(host, making.workers, making.several)
    from sospes.sides.mariadb.hosts import PrivateHost as MariadbPrivateHost
    from sospes.sides.mariadb.private import PrivateMariadb
    from sospes.sides.mariadb.restore import MariadbRestore

    server = PrivateMariadb(binaries, work_folder, walled=making.walled).started()
    return MariadbRestore(MariadbPrivateHost(server), making.workers, making.of_mysql)


def shared_restore(address: Address, naming: Naming, making: Making) -> EngineRestore:
    """A restore into new databases of a server in use; nothing is made before the first event."""
    if address.engine is Engine.POSTGRESQL:
        from sospes.sides.postgresql.hosts import SharedHost
        from sospes.sides.postgresql.restore import PostgresqlRestore

        return PostgresqlRestore(SharedHost(address, naming, making.encoding), making.workers, making.several)
    from sospes.sides.mariadb.hosts import SharedHost as MariadbSharedHost
    from sospes.sides.mariadb.restore import MariadbRestore

    return MariadbRestore(MariadbSharedHost(address, naming), making.workers, making.of_mysql)


def outside(error: Exception) -> CannotCheck | None:
    """What to say of a driver's own error, which says nothing of the backup; None for any other error."""
    import psycopg
    import pymysql

    if not isinstance(error, psycopg.Error | pymysql.Error):
        return None
    return could_not_go_on(" ".join(str(error).split()))


def marked_databases(address: Address) -> Left:
    """What side copies left on a server in use: databases, roles, accounts."""
    if address.engine is Engine.POSTGRESQL:
        from sospes.sides.postgresql import hosts as hosts_postgresql

        return hosts_postgresql.marked_databases(address)
    from sospes.sides.mariadb import hosts as hosts_mariadb

    return hosts_mariadb.marked_databases(address)


def drop_marked(address: Address, name: str) -> None:
    """Drop a database, role or account that is ours. Raises CannotCheck if it doesn't, or if the server refuses."""
    if address.engine is Engine.POSTGRESQL:
        from sospes.sides.postgresql import hosts as hosts_postgresql

        hosts_postgresql.drop_marked(address, name)
    else:
        from sospes.sides.mariadb import hosts as hosts_mariadb

        hosts_mariadb.drop_marked(address, name)

"""PostgreSQL's servers, as the rest of the program asks for them."""

from __future__ import annotations

from pathlib import Path

import psycopg

from sospes.sides.postgresql.applying import apply
from sospes.sides.postgresql.cluster import LiveCluster
from sospes.sides.postgresql.handing import PostgresqlHanding
from sospes.sides.postgresql.hosts import PrivateHost, SharedHost, drop_marked, marked_databases
from sospes.sides.postgresql.landing import PostgresqlLanding
from sospes.sides.postgresql.live import LivePostgresql
from sospes.sides.postgresql.private import INSTALLED, PrivatePostgresql
from sospes.sides.postgresql.restore import PostgresqlRestore
from sospes.sides.servers.address import Address
from sospes.sides.servers.binaries import Binaries
from sospes.sides.servers.engine import ServerEngine
from sospes.sides.servers.live import LiveDatabase
from sospes.sides.servers.marks import Naming
from sospes.sides.servers.restoring import Making


def _snapshot(address: Address, timeout_seconds: int) -> LiveDatabase:
    if address.database is None:
        return LiveCluster(address, timeout_seconds)
    return LivePostgresql(address, timeout_seconds)


def _private(binaries: Binaries, work_folder: Path | None, making: Making) -> PostgresqlRestore:
    server = PrivatePostgresql(binaries, work_folder, walled=making.walled).started()
    with server.given_up():
        return PostgresqlRestore(PrivateHost(server, making.encoding), making.workers, making.several)


def _shared(address: Address, naming: Naming, making: Making) -> PostgresqlRestore:
    return PostgresqlRestore(SharedHost(address, naming, making.encoding), making.workers, making.several)


SERVER = ServerEngine(
    installed=INSTALLED,
    driver_error=psycopg.Error,
    snapshot=_snapshot,
    apply=apply,
    landing=PostgresqlLanding,
    private=_private,
    shared=_shared,
    handing=PostgresqlHanding,
    marked=marked_databases,
    drop=drop_marked,
)

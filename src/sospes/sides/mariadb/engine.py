"""MariaDB's servers, and MySQL's in use, as the rest of the program asks for them."""

from __future__ import annotations

from pathlib import Path

import pymysql

from sospes.sides.mariadb.applying import apply
from sospes.sides.mariadb.handing import MariadbHanding, handovers
from sospes.sides.mariadb.hosts import PrivateHost, SharedHost, drop_marked, marked_databases
from sospes.sides.mariadb.landing import MariadbLanding
from sospes.sides.mariadb.live import LiveMariadb
from sospes.sides.mariadb.private import INSTALLED, PrivateMariadb
from sospes.sides.mariadb.restore import MariadbRestore
from sospes.sides.servers.address import Address
from sospes.sides.servers.binaries import Binaries
from sospes.sides.servers.engine import ServerEngine
from sospes.sides.servers.marks import Left, Naming
from sospes.sides.servers.restoring import Making


def _private(binaries: Binaries, work_folder: Path | None, making: Making) -> MariadbRestore:
    server = PrivateMariadb(binaries, work_folder, walled=making.walled).started()
    with server.given_up():
        return MariadbRestore(PrivateHost(server), making.workers, making.of_kin)


def _shared(address: Address, naming: Naming, making: Making) -> MariadbRestore:
    return MariadbRestore(SharedHost(address, naming), making.workers, making.of_kin)


def _left(address: Address) -> Left:
    left = marked_databases(address)
    return Left([*left.marked, *handovers(address)], left.unseen)


SERVER = ServerEngine(
    installed=INSTALLED,
    driver_error=pymysql.Error,
    snapshot=LiveMariadb,
    apply=apply,
    landing=MariadbLanding,
    private=_private,
    shared=_shared,
    handing=MariadbHanding,
    marked=_left,
    drop=drop_marked,
)

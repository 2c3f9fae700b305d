"""The kinds of database servers that there are. A new one is added here, and nowhere else above this room.

Drivers are imported once a server of their kind is asked for, to keep the start fast.
"""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from sospes.model.entries import Engine
from sospes.model.errors import CannotCheck
from sospes.sides.servers import running
from sospes.sides.servers.address import Address
from sospes.sides.servers.engine import ServerEngine
from sospes.sides.servers.live import LiveDatabase
from sospes.sides.servers.recovering import RecoveryEngine
from sospes.sides.servers.telling import could_not_go_on


def _postgresql() -> ServerEngine:
    from sospes.sides.postgresql.engine import SERVER

    return SERVER


def _mariadb() -> ServerEngine:
    from sospes.sides.mariadb.engine import SERVER

    return SERVER


_SERVERS: dict[Engine, Callable[[], ServerEngine]] = {Engine.POSTGRESQL: _postgresql, Engine.MARIADB: _mariadb}


def server_of(engine: Engine) -> ServerEngine:
    """The kind of server that an engine's backups are restored on. Raises KeyError for engines without servers."""
    return _SERVERS[engine.family]()


def recovery_of(engine: Engine) -> RecoveryEngine:
    """How physical copies of an engine are recovered. Raises KeyError for engines of which none are yet."""
    return _RECOVERIES[engine]()


def _recovered_postgresql() -> RecoveryEngine:
    from sospes.sides.postgresql.recovered import RECOVERY

    return RECOVERY


_RECOVERIES: dict[Engine, Callable[[], RecoveryEngine]] = {Engine.POSTGRESQL: _recovered_postgresql}


def open_live(address: Address, timeout_seconds: int) -> LiveDatabase:
    """Begin a snapshot, of all databases where the address names none.

    Raises CannotCheck where the server can't be reached or refuses.
    """
    return server_of(address.engine).snapshot(address, timeout_seconds)


def outside(error: Exception) -> CannotCheck | None:
    """What to say of a driver's own error, which says nothing of the backup; None for any other error."""
    errors = tuple(server().driver_error for server in _SERVERS.values())
    return could_not_go_on(" ".join(str(error).split())) if isinstance(error, errors) else None


def data_folders() -> list[Path]:
    """Where the servers that run on this machine keep their data, as far as this user may see it."""
    return running.data_folders(server().installed.programs[0] for server in _SERVERS.values())

"""On a server in use a backup reaches nothing but its own new database, even where the address's user may do anything."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

import pytest

from tests.conftest import sospes
from tests.hostile.ways import Way, all_at_once, backup, ways
from tests.servers import MariadbServer, PostgresServer

pytestmark = pytest.mark.servers


@dataclass(frozen=True)
class Watched:
    """A server with a live database of somebody's, its address as whoever may do anything, and all that must stay."""

    server: PostgresServer | MariadbServer
    address: str

    def state(self) -> list[bytes]:
        """Databases, who may do what, settings, and the rows of the live database."""
        if isinstance(self.server, PostgresServer):
            return [self.server.query("live" if "boats" in query else "postgres", query) for query in _POSTGRESQL_STATE]
        return [self.server.run_sql("", query) for query in _MARIADB_STATE]


_POSTGRESQL_STATE = (
    "SELECT datname, datdba, datacl, datallowconn, datconnlimit, datistemplate, shobj_description(oid, 'pg_database') "
    "FROM pg_database ORDER BY 1",
    "SELECT * FROM pg_authid ORDER BY 1", "SELECT * FROM pg_auth_members ORDER BY 1, 2", "SELECT * FROM pg_db_role_setting",
    "SELECT * FROM pg_tablespace", "SELECT * FROM pg_file_settings", "SELECT * FROM pg_replication_slots",
    "SELECT * FROM boats", "SELECT relname, relowner, relacl FROM pg_class WHERE relname = 'boats'",
)  # fmt: skip
_MARIADB_STATE = (
    "SHOW DATABASES", "SELECT * FROM mysql.global_priv ORDER BY 1, 2", "SELECT * FROM mysql.db ORDER BY 1, 2, 3",
    "SELECT * FROM mysql.servers", "SELECT * FROM mysql.plugin", "SELECT * FROM mysql.func", "SELECT * FROM live.boats",
    "SHOW TABLES FROM live", "SHOW GLOBAL VARIABLES WHERE Variable_name IN ('general_log', 'general_log_file', "
    "'secure_file_priv', 'local_infile', 'event_scheduler', 'log_output')",
)  # fmt: skip


@pytest.fixture
def watched(request: pytest.FixtureRequest) -> Iterator[Watched]:
    """The server of the engine that a test is about."""
    if request.param == "postgresql":
        server: PostgresServer = request.getfixturevalue("postgres")
        server.run_sql("postgres", "CREATE DATABASE live")
        server.run_sql("live", "CREATE TABLE boats (a int); INSERT INTO boats VALUES (7)")
        yield Watched(server, server.address("postgres"))
        server.run_sql("postgres", "DROP DATABASE live")
    else:
        maria: MariadbServer = request.getfixturevalue("mariadb")
        maria.run_sql("", "CREATE DATABASE live; CREATE TABLE live.boats (a int); INSERT INTO live.boats VALUES (7)")
        yield Watched(maria, maria.address())
        maria.run_sql("", "DROP DATABASE live")


@pytest.mark.parametrize(
    ("watched", "way"),
    [
        pytest.param(engine, way, id=f"{engine}-{way.name}")
        for engine in ("postgresql", "mariadb")
        for way in ways(engine, "held")
    ],
    indirect=["watched"],
)
def test_what_looks_legitimate_is_held_by_rights(watched: Watched, way: Way, tmp_path: Path, canary: Path) -> None:
    night = tmp_path / "night.sql"
    night.write_bytes(backup(way.engine, way.written(canary)))
    before = watched.state()

    run = sospes("rehearse", "--side", watched.address, night, "--json")

    assert run.code in {0, 1, 3} and watched.state() == before


@pytest.mark.parametrize(
    ("watched", "engine"), [(name,) * 2 for name in ("postgresql", "mariadb")], indirect=["watched"]
)
def test_all_ways_at_once_change_nothing(watched: Watched, engine: str, tmp_path: Path, canary: Path) -> None:
    night = tmp_path / "night.sql"
    night.write_bytes(all_at_once(engine, canary))
    before = watched.state()

    run = sospes("rehearse", "--side", watched.address, night, "--json")

    assert run.code in {1, 3} and watched.state() == before

"""A throw-away PostgreSQL server, set to be fast and not to survive a crash."""

from __future__ import annotations

import signal
from pathlib import Path

import psycopg

from sospes.model.entries import Engine
from sospes.model.errors import CannotCheck
from sospes.sides.postgresql.live import connected
from sospes.sides.servers.address import Address
from sospes.sides.servers.binaries import Installed
from sospes.sides.servers.private import PrivateServer, Program

PORT = 5432
"""Only the name of a socket: the server listens to no network."""

ADMINISTRATOR = "sospes_admin"
_SETTINGS = {
    "listen_addresses": "", "fsync": "off", "full_page_writes": "off", "synchronous_commit": "off",
    "wal_level": "minimal", "max_wal_senders": "0", "max_wal_size": "4GB", "autovacuum": "off",
    "shared_buffers": "256MB", "maintenance_work_mem": "256MB", "max_connections": "1000", "jit": "off",
    "password_encryption": "scram-sha-256", "timezone": "UTC", "logging_collector": "off",
    "shared_preload_libraries": "",
}  # fmt: skip

INSTALLED = Installed(
    title="PostgreSQL",
    programs=("postgres", "initdb"),
    places=(
        "/usr/lib/postgresql/*/bin", "/usr/pgsql-*/bin", "/usr/local/pgsql*/bin", "/opt/homebrew/opt/postgresql*/bin",
        "/usr/local/opt/postgresql*/bin", "/Applications/Postgres.app/Contents/Versions/*/bin",
    ),
    package="postgresql-{major}",
)  # fmt: skip


class PrivatePostgresql(PrivateServer):
    """One PostgreSQL server; its first user is a superuser that only the guard's own statements run as."""

    engine = Engine.POSTGRESQL
    users = ("postgres",)
    stop_signal = signal.SIGQUIT

    def start(self) -> None:
        """Set up the server's files and start it."""
        data = self.folder / "data"
        secret = self.folder / "password"
        secret.write_text(self.password)
        self._own(secret)
        secret.chmod(0o600)
        self.run(
            Program(
                [
                    str(self.binaries.programs["initdb"]), "-D", str(data), "-U", ADMINISTRATOR, "-A", "scram-sha-256",
                    f"--pwfile={secret}", "-E", "UTF8", "--locale=C", "--no-sync",
                ]
            )
        )  # fmt: skip
        secret.unlink()
        options = [word for name, value in _SETTINGS.items() for word in ("-c", f"{name}={value}")]
        self.launch(
            [
                str(self.binaries.programs["postgres"]),
                "-D",
                str(data),
                "-k",
                str(self.folder),
                "-p",
                str(PORT),
                *options,
            ],
            self._answers,
        )

    def address(self, database: str) -> Address:
        """How to connect as the administrator."""
        return Address(
            engine=self.engine,
            user=ADMINISTRATOR,
            database=database,
            password=self.password,
            port=PORT,
            options={"host": str(self.folder)},
            own=True,
        )

    def _answers(self) -> bool:
        if not (Path(self.folder) / f".s.PGSQL.{PORT}").exists():
            return False
        try:
            connected(self.address("postgres")).close()
        except (CannotCheck, psycopg.Error):
            return False
        return True

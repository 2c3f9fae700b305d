"""Throw-away database servers for tests and for building the demo: temporary folder, local socket only."""

from __future__ import annotations

import os
import pwd
import shutil
import subprocess
import tempfile
import time
from pathlib import Path
from types import TracebackType
from typing import Self

TIMEOUT = 120


def postgres_folders() -> list[Path]:
    """Folders with PostgreSQL server binaries, the newest version first."""
    found = [path.parent for path in Path("/usr/lib/postgresql").glob("*/bin/initdb")]
    found += [Path(path).resolve().parent for path in [shutil.which("initdb")] if path]
    return sorted({path for path in found if (path / "psql").exists()}, reverse=True)


def _unprivileged(names: tuple[str, ...]) -> str | None:
    """A user to start a server as, when this process is root."""
    if os.geteuid() != 0:
        return None
    known = {entry.pw_name for entry in pwd.getpwall()}
    return next((name for name in names if name in known), "nobody")


def _run(command: list[str], user: str | None, text: bytes | None = None, *, check: bool = True) -> bytes:
    done = subprocess.run(
        command,
        input=text,
        capture_output=True,
        timeout=TIMEOUT,
        user=user,
        check=False,
        cwd="/",
        env=_environment(),
    )
    if check and done.returncode:
        raise RuntimeError(f"{command[0]} failed: {done.stderr.decode(errors='replace')[-2000:]}")
    return done.stdout


def _environment() -> dict[str, str]:
    return {"PATH": os.environ["PATH"], "LC_ALL": "C.UTF-8", "HOME": tempfile.gettempdir(), "TZ": "UTC"}


class _Server:
    """A temporary folder that belongs to the user whom the server runs as."""

    users: tuple[str, ...] = ()

    def __init__(self) -> None:
        self.user = _unprivileged(self.users)
        self.folder = Path(tempfile.mkdtemp(prefix="sospes-test-", dir="/tmp"))
        if self.user is not None:
            shutil.chown(self.folder, self.user)
        self.folder.chmod(0o755)

    def start(self) -> None:
        """Start the server."""

    def stop(self) -> None:
        """Stop the server."""

    def __enter__(self) -> Self:
        self.start()
        return self

    def __exit__(
        self, kind: type[BaseException] | None, error: BaseException | None, trace: TracebackType | None
    ) -> None:
        self.stop()
        shutil.rmtree(self.folder, ignore_errors=True)


class PostgresServer(_Server):
    """A PostgreSQL server with a superuser `postgres`."""

    users = ("postgres",)

    def __init__(self, binaries: Path | None = None, *initdb: str) -> None:
        super().__init__()
        self.binaries = binaries or postgres_folders()[0]
        self._initdb = initdb

    def start(self) -> None:
        data = str(self.folder / "data")
        initdb = [
            f"{self.binaries}/initdb",
            "-D",
            data,
            "-U",
            "postgres",
            "-A",
            "trust",
            "-E",
            "UTF8",
            "--locale=C.UTF-8",
            *self._initdb,
        ]
        _run(initdb, self.user)
        options = f"-k {self.folder} -c listen_addresses= -c fsync=off -c timezone=UTC"
        _run(
            [
                f"{self.binaries}/pg_ctl",
                "-D",
                data,
                "-w",
                "-l",
                str(self.folder / "log"),
                "-o",
                options,
                "start",
            ],
            self.user,
        )

    def stop(self) -> None:
        _run(
            [f"{self.binaries}/pg_ctl", "-D", str(self.folder / "data"), "-m", "immediate", "stop"],
            self.user,
            check=False,
        )

    def address(self, database: str = "") -> str:
        """The URL of a database, or of the whole server, as `postgres`."""
        return f"postgresql://postgres@/{database}?host={self.folder}"

    def _client(self, program: str, database: str) -> list[str]:
        return [f"{self.binaries}/{program}", "-h", str(self.folder), "-U", "postgres", "-d", database]

    def dump_cluster(self) -> bytes:
        """A dump of all databases, roles and tablespaces."""
        return _run([f"{self.binaries}/pg_dumpall", "-h", str(self.folder), "-U", "postgres"], self.user)

    def run_sql(self, database: str, sql: str | bytes) -> bytes:
        """Feed a script to the server's client; the first error ends it."""
        text = sql.encode() if isinstance(sql, str) else sql
        return _run([*self._client("psql", database), "-qX", "-v", "ON_ERROR_STOP=1"], self.user, text)

    def query(self, database: str, sql: str) -> bytes:
        """What a query prints, without headers."""
        return _run([*self._client("psql", database), "-qXAt", "-c", sql], self.user)

    def base_backup(self, target: Path, *options: str) -> Path:
        """A base backup of the whole cluster, as the server's own program writes it; the folder belongs to its user."""
        words = [
            f"{self.binaries}/pg_basebackup",
            "-h",
            str(self.folder),
            "-U",
            "postgres",
            "-D",
            str(target),
            "-c",
            "fast",
        ]
        _run([*words, *options], self.user)
        return target

    def dump(self, database: str, *options: str) -> bytes:
        """A dump of the database."""
        return _run([*self._client("pg_dump", database), *options], self.user)


class MariadbServer(_Server):
    """A MariaDB server with a root account without password."""

    users = ("mysql",)

    def __init__(self) -> None:
        super().__init__()
        self._process: subprocess.Popen[bytes] | None = None

    def address(self, database: str = "") -> str:
        """The URL of a database, or of the whole server, as root."""
        return f"mariadb://root@localhost/{database}?unix_socket={self.folder}/s"

    @property
    def _socket(self) -> str:
        return f"--socket={self.folder}/s"

    def start(self) -> None:
        data = f"--datadir={self.folder}/data"
        _run(
            [
                "mariadb-install-db",
                "--no-defaults",
                data,
                "--auth-root-authentication-method=normal",
                "--skip-test-db",
            ],
            self.user,
        )
        command = [
            "mariadbd",
            "--no-defaults",
            data,
            self._socket,
            "--skip-networking",
            f"--pid-file={self.folder}/pid",
        ]
        self._process = subprocess.Popen(
            command,
            user=self.user,
            stdout=subprocess.DEVNULL,
            stderr=subprocess.DEVNULL,
            cwd="/",
            env=_environment(),
        )
        for _ in range(300):
            if (self.folder / "s").exists():
                return
            time.sleep(0.1)
        raise RuntimeError("mariadbd did not start")

    def stop(self) -> None:
        if self._process is not None:
            self._process.kill()
            self._process.wait(TIMEOUT)

    def run_sql(self, database: str, sql: str | bytes) -> bytes:
        """Feed a script to the server's client."""
        text = sql.encode() if isinstance(sql, str) else sql
        command = [
            "mariadb",
            "--no-defaults",
            self._socket,
            "-uroot",
            "--default-character-set=utf8mb4",
            "-N",
            "-B",
        ]
        return _run([*command, *([database] if database else [])], None, text)

    def dump(self, *options: str) -> bytes:
        """A dump, by the options of the server's dump program."""
        return _run(["mariadb-dump", "--no-defaults", self._socket, "-uroot", *options], None)

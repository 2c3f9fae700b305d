"""Throw-away database servers for tests and for building the demo: temporary folder, local socket only."""

from __future__ import annotations

import os
import pwd
import shutil
import subprocess
import tempfile
import time
from collections.abc import Sequence
from pathlib import Path
from types import TracebackType
from typing import Self

TIMEOUT = 120


def postgres_folders() -> list[Path]:
    """Folders with PostgreSQL server binaries, the newest version first."""
    found = [path.parent for path in Path("/usr/lib/postgresql").glob("*/bin/initdb")]
    found += [Path(path).resolve().parent for path in [shutil.which("initdb")] if path]
    return sorted({path for path in found if (path / "psql").exists()}, reverse=True)


def newer_postgres_folders() -> list[Path]:
    """Folders with the binaries of newer PostgreSQL servers, as SOSPES_NEWER_POSTGRES names them, parted by colons."""
    named = filter(None, os.environ.get("SOSPES_NEWER_POSTGRES", "").split(":"))
    return sorted(Path(name) for name in named if (Path(name) / "initdb").exists())


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

    def __init__(self, binaries: Path | None = None, *initdb: str, settings: Sequence[str] = ()) -> None:
        super().__init__()
        self.binaries = binaries or postgres_folders()[0]
        self._initdb = initdb
        self._settings = settings

    def start(self) -> None:
        self._make()
        data = str(self.folder / "data")
        options = f"-k {self.folder} -c listen_addresses= -c fsync=off -c timezone=UTC"
        options += "".join(f" -c {setting}" for setting in self._settings)
        words = ["-D", data, "-w", "-l", str(self.folder / "log"), "-o", options, "start"]
        _run([f"{self.binaries}/pg_ctl", *words], self.user)

    def _make(self) -> None:
        """Make its data folder."""
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

    def stop(self) -> None:
        _run(
            [f"{self.binaries}/pg_ctl", "-D", str(self.folder / "data"), "-m", "immediate", "stop"],
            self.user,
            check=False,
        )

    @staticmethod
    def version_of(binaries: Path) -> str:
        """The major version of the server in a folder."""
        return _run([f"{binaries}/postgres", "--version"], None).decode().split()[-1].split(".")[0]

    def control(self, *words: str) -> None:
        """Have its own program stop or promote it."""
        _run([f"{self.binaries}/pg_ctl", "-D", str(self.folder / "data"), "-w", *words], self.user)

    def archive_into(self, folder: Path) -> None:
        """Have it archive its log; it must have been started with archiving allowed."""
        copied = f"cp %p {folder}/.%f.part && mv {folder}/.%f.part {folder}/%f"  # never half a file under its name
        self.run_sql("postgres", f"ALTER SYSTEM SET archive_command = '{copied}'")
        self.run_sql("postgres", "SELECT pg_reload_conf()")

    def switch(self, folder: Path) -> Path:
        """Begin a new segment of the log, and wait until the one before is archived in a folder."""
        name = self.query("postgres", "SELECT pg_walfile_name(pg_switch_wal())").decode().strip()
        for _ in range(TIMEOUT * 10):
            if (folder / name).is_file():
                return folder / name
            time.sleep(0.1)
        raise RuntimeError(f"{name} was not archived")

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


def archive_folder(folder: Path) -> Path:
    """A folder that a server may archive its log into."""
    archive = folder / "archive"
    archive.mkdir()
    archive.chmod(0o777)
    return archive


class Standby(PostgresServer):
    """A PostgreSQL server that follows another one."""

    def __init__(self, primary: PostgresServer, settings: Sequence[str] = ()) -> None:
        super().__init__(primary.binaries, settings=settings)
        self._primary = primary

    def _make(self) -> None:
        self._primary.base_backup(self.folder / "data", "-R")


class Adopted(PostgresServer):
    """A server over a data folder that is there already; whoever connects is believed."""

    def __init__(self, data: Path) -> None:
        super().__init__()
        self._data = data

    def _make(self) -> None:
        target = self.folder / "data"
        shutil.copytree(self._data, target)
        (target / "pg_hba.conf").write_text("local all all trust\n")
        target.chmod(0o700)
        if self.user is not None:
            for path in (target, *target.rglob("*")):
                shutil.chown(path, self.user)


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

"""A throw-away MariaDB server, set to be fast and not to survive a crash."""

from __future__ import annotations

import pymysql

from sospes.model.entries import Engine
from sospes.model.errors import CannotCheck
from sospes.sides.mariadb.live import connected
from sospes.sides.servers.address import Address
from sospes.sides.servers.binaries import Installed
from sospes.sides.servers.private import PrivateServer, Program

ADMINISTRATOR = "sospes_admin"
_SETTINGS = (
    "skip-networking", "innodb-flush-log-at-trx-commit=0", "innodb-doublewrite=OFF", "innodb-flush-method=nosync",
    "skip-log-bin", "sync-binlog=0", "max-allowed-packet=1G", "innodb-buffer-pool-size=256M", "event-scheduler=OFF",
    "local-infile=OFF", "skip-symbolic-links", "performance-schema=OFF",
    "default-time-zone=+00:00", "character-set-server=utf8mb4", "log-bin-trust-function-creators=ON",
)  # fmt: skip

INSTALLED = Installed(
    title="MariaDB",
    programs=("mariadbd", "mariadb-install-db"),
    places=("/usr/sbin", "/usr/bin", "/usr/local/mysql*/bin", "/opt/homebrew/opt/mariadb*/bin", "/usr/libexec"),
    package="mariadb-server",
)


class PrivateMariadb(PrivateServer):
    """One MariaDB server. It may read and write no file of the machine."""

    engine = Engine.MARIADB
    users = ("mysql",)

    def start(self) -> None:
        """Set up the server's files and start it."""
        data = self.folder / "data"
        self.run(
            Program(
                [
                    str(self.binaries.programs["mariadb-install-db"]), "--no-defaults", f"--datadir={data}",
                    "--auth-root-authentication-method=normal", "--skip-test-db", "--skip-name-resolve",
                    "--force",
                    f"--tmpdir={self.folder}",
                ]
            )
        )  # fmt: skip
        program = str(self.binaries.programs["mariadbd"])
        self.run(
            Program(
                [program, "--no-defaults", f"--datadir={data}", f"--tmpdir={self.folder}", "--bootstrap"], self._users()
            )
        )
        options = [f"--{setting}" for setting in _SETTINGS]
        nothing = self.folder / "nothing"  # the one folder whose files statements may name, which nobody can write
        nothing.mkdir(mode=0o555)
        self._own(nothing)
        places = [
            f"--secure-file-priv={nothing}",
            f"--datadir={data}",
            f"--tmpdir={self.folder}",
            f"--socket={self.folder}/socket",
            f"--pid-file={self.folder}/pid",
        ]
        self.launch([program, "--no-defaults", *places, *options], self._answers)

    def _users(self) -> bytes:
        """The administrator alone: whoever restores is made later, without any rights."""
        statements = (  # one a line, as the server reads them while it is set up
            "FLUSH PRIVILEGES",
            f"CREATE USER '{ADMINISTRATOR}'@'localhost' IDENTIFIED BY '{self.password}'",
            f"GRANT ALL ON *.* TO '{ADMINISTRATOR}'@'localhost' WITH GRANT OPTION",
            "ALTER USER 'root'@'localhost' ACCOUNT LOCK",
        )
        return "".join(f"{statement};\n" for statement in statements).encode()

    def address(self, database: str) -> Address:
        """How to connect as the administrator."""
        return Address(
            engine=self.engine,
            host="localhost",
            user=ADMINISTRATOR,
            database=database or None,
            password=self.password,
            options={"unix_socket": f"{self.folder}/socket"},
        )

    def _answers(self) -> bool:
        if not (self.folder / "socket").exists():
            return False
        try:
            connected(self.address("")).close()
        except (CannotCheck, pymysql.Error):
            return False
        return True

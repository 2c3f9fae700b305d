"""A throw-away PostgreSQL server that recovers the files of a base backup by their log, and is then looked at.

Nothing of the backup's configuration is used. While it recovers nobody can connect; then its settings of databases and
roles are cleared where they don't act (single-user mode), and a superuser of ours is made. Its own superusers and code
are still those of the backup, so the walls around the server alone count.
Sources: PostgreSQL documentation, "Continuous Archiving", "Standby Server Operation", "postgres --single".
"""

from __future__ import annotations

import os
import secrets
import signal
import time
from collections.abc import Callable, Iterator
from contextlib import suppress
from pathlib import Path

import psycopg
from psycopg import sql

from sospes.model.entries import Engine, Name
from sospes.model.errors import CannotCheck
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.model.moments import offset_of
from sospes.places.own import put_in_place
from sospes.places.writing import beginning_of, opened_own
from sospes.sides.postgresql.checks import check_database
from sospes.sides.postgresql.live import connected, one_line
from sospes.sides.postgresql.loads import Session
from sospes.sides.postgresql.numbered import numbered_relations
from sospes.sides.postgresql.private import INSTALLED
from sospes.sides.postgresql.stating import script_of
from sospes.sides.servers.address import Address
from sospes.sides.servers.binaries import Binaries
from sospes.sides.servers.private import PrivateServer, Program, kept_owner
from sospes.sides.servers.recovering import Limits, RecoveryEngine, RecoveryFailed

PORT = 5432
_SETTINGS = {
    "listen_addresses": "", "fsync": "off", "full_page_writes": "off", "synchronous_commit": "off",
    "autovacuum": "off", "shared_buffers": "256MB", "maintenance_work_mem": "256MB", "jit": "off",
    "password_encryption": "scram-sha-256", "timezone": "UTC", "logging_collector": "off", "hot_standby": "off",
    "shared_preload_libraries": "", "session_preload_libraries": "", "local_preload_libraries": "",
    "archive_mode": "off", "archive_command": "", "restore_command": "", "recovery_end_command": "",
    "archive_cleanup_command": "", "primary_conninfo": "", "max_logical_replication_workers": "0",
    "max_parallel_workers": "0", "allow_in_place_tablespaces": "on", "ssl": "off",
}  # fmt: skip
_EVENT_TRIGGERS_SINCE = 17
_IN_PLACE_SINCE = 15
_ACCESS_SINCE = 14
_DATABASES = "SELECT datname FROM pg_catalog.pg_database WHERE datallowconn ORDER BY 1"
_TABLES = """
SELECT n.nspname, c.relname FROM pg_catalog.pg_class c JOIN pg_catalog.pg_namespace n ON n.oid = c.relnamespace
WHERE c.relkind IN ('r', 'm') AND c.relpersistence <> 't' AND n.nspname NOT LIKE 'pg\\_%'
AND n.nspname <> 'information_schema' ORDER BY 1, 2
"""
_INDEXES = """
SELECT c.oid, n.nspname, t.relname, c.relname FROM pg_catalog.pg_index i
JOIN pg_catalog.pg_class c ON c.oid = i.indexrelid JOIN pg_catalog.pg_class t ON t.oid = i.indrelid
JOIN pg_catalog.pg_namespace n ON n.oid = c.relnamespace JOIN pg_catalog.pg_am a ON a.oid = c.relam
WHERE a.amname = 'btree' AND i.indisvalid AND c.relkind = 'i' AND c.relpersistence = 'p' ORDER BY 2, 3, 4
"""
_HEAPS = """
SELECT c.oid, n.nspname, c.relname FROM pg_catalog.pg_class c JOIN pg_catalog.pg_namespace n ON n.oid = c.relnamespace
WHERE c.relkind IN ('r', 'm', 't') AND c.relpersistence = 'p' ORDER BY 2, 3
"""
_COLLATIONS = """
SELECT datcollversion, pg_catalog.pg_database_collation_actual_version(oid) FROM pg_catalog.pg_database
WHERE datname = pg_catalog.current_database()
"""
_STILL = "UPDATE pg_catalog.pg_event_trigger SET evtenabled = 'D' WHERE evtenabled <> 'D'"
_KEPT_CONFIGURATION = """\
# Left by a rehearsal. Nothing of the backup's own configuration is in here: it lies in the backup.
# Connections come over a socket only until somebody says otherwise.
listen_addresses = ''
archive_mode = off
"""
_KEPT_ACCESS = "local all postgres peer\nlocal all all scram-sha-256\n"
_KEPT_CHANGES = (
    "the log was applied, and a new timeline begun: it doesn't go on with the cluster's own log",
    "postgresql.conf, postgresql.auto.conf, pg_hba.conf and pg_ident.conf are new; the backup has its own",
    "settings of databases and roles (ALTER DATABASE ... SET, ALTER ROLE ... SET) were removed",
    "replication slots, statistics, temporary files were left out; tablespaces are folders in pg_tblspc",
)
_STARTS = "starting PostgreSQL"
_NO_ROOM = ("No space left", "Cannot allocate memory", "could not resize shared memory", "out of memory")


class RecoveredPostgresql(PrivateServer):
    """A server over files that were laid out in `data`."""

    engine = Engine.POSTGRESQL
    users = ("postgres",)
    stop_signal = signal.SIGQUIT

    def __init__(self, binaries: Binaries, work_folder: Path | None, walled: bool) -> None:
        super().__init__(binaries, work_folder, walled=walled)
        self.data = self.folder / "data"
        self.data.mkdir(mode=0o700)
        self._user = f"sospes_{secrets.token_hex(4)}"
        self._limits: dict[str, str] = {}
        self._stilled = False

    @property
    def major(self) -> int:
        """The server's version."""
        return self.binaries.version[0]

    def recover(self, limits: Limits, timeline: int, alive: Callable[[], None]) -> None:
        """Apply the log that lies in `data`, all of it, and end the recovery.

        `alive` is called now and then. Raises RecoveryFailed where the server gives up, CannotCheck for what says
        nothing of the backup.
        """
        self._configure(limits, timeline)
        self._own_all()
        self._run_until_ready(alive)
        self._shut_down()
        self._clear_settings()

    def start(self) -> None:
        """Start it for looking at."""
        (self.data / "standby.signal").unlink(missing_ok=True)
        self.launch(self._command(), self._answers)

    def address(self, database: str) -> Address:
        """How to connect as our own superuser."""
        return Address(
            engine=self.engine, user=self._user, database=database, password=self.password, port=PORT,
            options={"host": str(self.folder)}, own=True,
        )  # fmt: skip

    def _command(self) -> list[str]:
        return [str(self.binaries.programs["postgres"]), "-D", str(self.data), "-k", str(self.folder), "-p", str(PORT)]

    def _configure(self, limits: Limits, timeline: int) -> None:
        settings = dict(_SETTINGS)
        settings["recovery_target_timeline"] = str(timeline)
        self._limits = {
            "max_connections": str(max(100, limits.connections)), "max_worker_processes": str(max(8, limits.workers)),
            "max_prepared_transactions": str(limits.prepared),
            "max_locks_per_transaction": str(max(64, limits.locks)),
        }  # fmt: skip
        settings |= self._limits
        if self.major >= _EVENT_TRIGGERS_SINCE:
            settings["event_triggers"] = "off"
        if self.major < _IN_PLACE_SINCE:
            del settings["allow_in_place_tablespaces"]
        lines = [f"{name} = '{value}'\n" for name, value in settings.items()]
        (self.data / "postgresql.conf").write_text("".join(lines))
        (self.data / "postgresql.auto.conf").write_text("")
        (self.data / "pg_hba.conf").write_text("local all all scram-sha-256\n")
        (self.data / "pg_ident.conf").write_text("")
        (self.data / "standby.signal").write_text("")

    def _own_all(self) -> None:
        """Give all files to the server's user."""
        for root, folders, files in os.walk(self.data):
            for name in (*folders, *files):
                path = Path(root, name)
                path.chmod(0o700 if name in folders else 0o600)
                self._own(path)
        self._own(self.data)

    def _run_until_ready(self, alive: Callable[[], None]) -> None:
        """Start it as a standby that is to end its recovery as soon as there is no more log."""
        state = self.data / "postmaster.pid"

        def is_ready() -> bool:
            alive()
            with suppress(OSError):
                said = beginning_of(state).decode("ascii", "replace").split("\n")
                if len(said) > 7 and said[7].strip() == "ready":
                    return True
                if len(said) > 1:
                    with suppress(FileExistsError), opened_own(self.data / "promote"):
                        self._own(self.data / "promote")
                    if self._process is not None:
                        self._process.send_signal(signal.SIGUSR1)
            time.sleep(0.2)
            return False

        try:
            self.launch(self._command(), is_ready, seconds=None)
        except CannotCheck as error:
            if self.stopped is not None:
                raise self.stopped from error
            text = beginning_of(self.folder / "server.log", 1 << 24).decode("utf-8", "replace")
            # Before it has said that it starts, what is wrong is the program's affair, or that of our settings.
            if _STARTS not in text or any(words in text for words in _NO_ROOM):
                raise
            raise RecoveryFailed(self._last_words(text)) from error

    @staticmethod
    def _last_words(text: str) -> str:
        """What the server said last of why it gave up."""
        lines = [line for line in text.splitlines() if any(word in line for word in ("FATAL", "PANIC", "ERROR"))]
        return " / ".join(line.split(": ", 1)[-1].strip() for line in lines[-3:]) or text.strip()[-400:]

    def _shut_down(self) -> None:
        assert self._process is not None
        self._process.send_signal(signal.SIGINT)
        self._process.wait()
        self._process = None

    def _clear_settings(self) -> None:
        """Where no settings of databases and roles act, clear them, and make a superuser of our own."""
        user, password = self._user, self.password
        self._single(
            f"DELETE FROM pg_catalog.pg_db_role_setting;\nCREATE ROLE {user} SUPERUSER LOGIN PASSWORD '{password}';\n"
        )

    def _single(self, text: str) -> None:
        """Run statements in single-user mode."""
        command = [
            str(self.binaries.programs["postgres"]), "--single", "-D", str(self.data), "-c",
            "allow_system_table_mods=on", "-c", "search_path=pg_catalog", "template1",
        ]  # fmt: skip
        (self.data / "standby.signal").unlink(missing_ok=True)
        self.run(Program(command, text.encode()))

    def _answers(self) -> bool:
        if not (self.folder / f".s.PGSQL.{PORT}").exists():
            return False
        try:
            connected(self.address("template1")).close()
        except (CannotCheck, psycopg.Error):
            return False
        return True

    def keep(self, folder: Path) -> tuple[str, ...]:
        """Stop it, and put its data into a new folder, ready to be started by hand; what was changed in them."""
        self._shut_down()
        self._single(f"DROP ROLE {self._user};\n")
        (self.data / "postgresql.conf").write_text(
            _KEPT_CONFIGURATION + "".join(f"{name} = {value}\n" for name, value in self._limits.items())
        )
        (self.data / "pg_hba.conf").write_text(_KEPT_ACCESS)
        (self.data / "postmaster.opts").unlink(missing_ok=True)
        put_in_place(self.data, folder)
        owner = kept_owner(self.users)
        for root, folders, files in os.walk(folder):
            for name in (".", *folders, *files):
                os.chown(Path(root, name), *owner, follow_symlinks=False)
        return (*_KEPT_CHANGES, *(("its event triggers were disabled",) if self._stilled else ()))

    def ended_at(self) -> int | None:
        """The position at which its recovery ended, as the history of its new timeline says."""
        found = sorted((self.data / "pg_wal").glob("*.history"))
        if not found:
            return None
        text = beginning_of(found[-1]).decode("utf-8", "replace")
        lines = [line.split("\t") for line in text.splitlines() if line.strip()]
        return offset_of(lines[-1][1]) if lines and len(lines[-1]) > 1 else None

    def databases(self) -> list[str]:
        """All databases that let anybody connect."""
        with connected(self.address("template1")) as session:
            return [str(name) for (name,) in session.execute(_DATABASES).fetchall()]

    def populated(self) -> list[str]:
        """The databases that have tables."""
        found = []
        for name in self.databases():
            with connected(self.address(name)) as session:
                if session.execute(_TABLES.encode()).fetchone() is not None:
                    found.append(name)
        return found

    def checked(self, database: str, tables: dict[Name, int]) -> Iterator[Finding]:
        """What the engine's own checks find in a database; `tables` takes the rows of each table."""
        with connected(self.address(database)) as session:
            session.autocommit = True
            session.execute("SET search_path = pg_catalog")
            session.execute("SET allow_system_table_mods = on")
            self._stilled |= session.execute(_STILL).rowcount > 0
            for finding in (
                *_collations(session, database), *_counted(session, database, tables), *by_modules(session),
                *check_database(session, {}),
            ):  # fmt: skip
                yield finding.at(database=database)


def _counted(session: Session, database: str, tables: dict[Name, int]) -> Iterator[Finding]:
    for schema, name in session.execute(_TABLES.encode()).fetchall():
        query = sql.SQL("SELECT count(*) FROM ONLY {}").format(sql.Identifier(schema, name))
        try:
            row = session.execute(query).fetchone()
        except psycopg.Error as error:
            yield fault(
                "table-unusable",
                f"{schema}.{name} can't be read: {one_line(error)[:300]}",
                "its files, or those of an index, are damaged: verify tells where",
                Place(schema=schema, table=name),
            )
            continue
        tables[Name(database, schema, name)] = int(row[0]) if row else 0


def by_modules(session: Session) -> Iterator[Finding]:
    """The engine's own functions that check indexes and tables, where its contributed modules are installed."""
    there = session.execute("SELECT 1 FROM pg_catalog.pg_available_extensions WHERE name = 'amcheck'").fetchone()
    if there is None:
        yield note("checks-missing", "the engine's checking functions (amcheck) are not installed beside this server")
        return
    made = session.execute("SELECT 1 FROM pg_catalog.pg_extension WHERE extname = 'amcheck'").fetchone() is None
    try:
        session.execute("CREATE EXTENSION IF NOT EXISTS amcheck WITH SCHEMA pg_catalog")
        row = session.execute(
            "SELECT n.nspname FROM pg_catalog.pg_extension e JOIN pg_catalog.pg_namespace n ON n.oid = e.extnamespace "
            "WHERE e.extname = 'amcheck'"
        ).fetchone()
    except psycopg.Error as error:
        yield doubt("checks-missing", f"the engine's checking functions can't be made: {one_line(error)[:200]}", "")
        return
    schema = sql.Identifier(str(row[0]) if row else "pg_catalog")
    for oid, where, table, index in session.execute(_INDEXES.encode()).fetchall():
        query = sql.SQL("SELECT {}.bt_index_check({}, true)").format(schema, sql.Literal(oid))
        yield from _tried(session, query, f"the index {where}.{index}", Place(schema=where, table=table))
    heaps = _HEAPS if session.info.server_version >= _ACCESS_SINCE * 10000 else None
    for oid, where, table in session.execute(heaps.encode()).fetchall() if heaps else ():
        query = sql.SQL("SELECT blkno, msg FROM {}.verify_heapam({}) LIMIT 5").format(schema, sql.Literal(oid))
        yield from _tried(session, query, f"the table {where}.{table}", Place(schema=where, table=table))
    if made:
        session.execute("DROP EXTENSION amcheck")


def _tried(session: Session, query: sql.Composed, what: str, place: Place) -> Iterator[Finding]:
    try:
        rows = session.execute(query).fetchall()
    except psycopg.Error as error:
        yield fault("engine-check-failed", f"{what}: {one_line(error)[:300]}", "verify tells which file", place)
        return
    for row in rows:
        if len(row) > 1:
            yield fault("engine-check-failed", f"{what}, page {row[0]}: {row[1]}", "verify tells which file", place)


def _collations(session: Session, database: str) -> Iterator[Finding]:
    """Texts that another version of a library would sort otherwise."""
    try:
        row = session.execute(_COLLATIONS.encode()).fetchone()
    except psycopg.Error:
        return  # a version before it noted them
    if row and row[0] and row[1] and row[0] != row[1]:
        yield doubt(
            "collation-version",
            f"{database} was sorted by version {row[0]} of its collation's library, and this machine has {row[1]}: "
            "indexes on texts may be told wrong, or be wrong here",
            "rehearse it on a machine like the one that it is from",
        )


RECOVERY = RecoveryEngine(installed=INSTALLED, make=RecoveredPostgresql, relations=numbered_relations, script=script_of)

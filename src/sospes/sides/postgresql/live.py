"""Reads a live PostgreSQL database by COPY, so that rows come in the very text that a dump has.

Sources: PostgreSQL documentation, "System Catalogs", "COPY", "SET TRANSACTION".
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from contextlib import suppress
from typing import Any

import psycopg
from psycopg import sql
from psycopg.conninfo import make_conninfo
from psycopg.pq import ExecStatus
from psycopg.pq.abc import PGconn, PGresult

from sospes.engines.registry import dialect_of
from sospes.model.accounts import AccountKey
from sospes.model.entries import Column, Engine, Name
from sospes.model.errors import CannotCheck, UsageError
from sospes.model.events import Batch
from sospes.model.objects import DatabaseObject, ObjectKey
from sospes.rows.copied import lines_batch
from sospes.rows.decoding import Row, first_cell, held_parts
from sospes.sides.postgresql.accounts import accounts_of, default_rights_of
from sospes.sides.postgresql.objects import large_objects_of, objects_of
from sospes.sides.servers.address import Address
from sospes.sides.servers.live import LiveTable
from sospes.sides.servers.marks import MARK
from sospes.sides.servers.telling import could_not_go_on

JOINED_AT_ONCE = 96
_SETTINGS = (
    "SET datestyle = ISO", "SET intervalstyle = postgres", "SET timezone = 'UTC'", "SET extra_float_digits = 3",
    "SET bytea_output = hex", "SET xmlbinary = base64", "SET search_path = ''", "SET client_encoding = 'UTF8'",
    "SET lock_timeout = '5s'", "SET row_security = off", "SET synchronize_seqscans = off",
    "SET max_parallel_workers_per_gather = 0",
)  # fmt: skip
_TABLES = """
SELECT n.nspname, c.relname,
  array_agg(a.attname ORDER BY a.attnum) FILTER (WHERE a.attgenerated = ''),
  array_agg(format_type(a.atttypid, a.atttypmod) ORDER BY a.attnum) FILTER (WHERE a.attgenerated = ''),
  (SELECT array_agg(k.attname ORDER BY array_position(i.indkey::int2[], k.attnum))
   FROM pg_index i JOIN pg_attribute k ON k.attrelid = i.indrelid AND k.attnum = ANY (i.indkey)
   WHERE i.indrelid = c.oid AND i.indisprimary),
  c.relpersistence = 'p'
FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
LEFT JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum > 0 AND NOT a.attisdropped
WHERE c.relkind IN ('r', 'p') AND c.relpersistence <> 't'
  AND n.nspname NOT LIKE 'pg\\_%' AND n.nspname <> 'information_schema'
  AND NOT EXISTS (SELECT FROM pg_depend d WHERE d.objid = c.oid AND d.deptype = 'e')
GROUP BY c.oid, n.nspname, c.relname, c.relpersistence ORDER BY 1, 2
"""


_OUTSIDE = frozenset({"08", "53", "58", "XX"})
"""Classes of errors: connection, insufficient resources, system, internal."""

_STOPPED = frozenset({"57P01", "57P02", "57P03", "57P05", "57014"})
"""The server shuts down, crashed, starts; the statement was cancelled."""


class LivePostgresql:
    """One snapshot of a database."""

    engine = Engine.POSTGRESQL

    def __init__(self, address: Address, timeout_seconds: int) -> None:
        self._connection = connected(address)
        run = self._connection.execute
        try:
            run("BEGIN ISOLATION LEVEL REPEATABLE READ, READ ONLY")
            for setting in _SETTINGS:
                run(setting.encode())
            run(f"SET statement_timeout = '{timeout_seconds}s'".encode())
            row = run("SHOW server_version").fetchone()
        except psycopg.Error as error:
            raise _refused(address, error) from error
        self._address = address
        self.version = str(row[0]).split(" ")[0] if row else ""

    def found(self, query: str) -> list[tuple[Any, ...]]:
        """What a query of ours finds in the catalogs, in the snapshot."""
        try:
            return self._connection.execute(query.encode()).fetchall()
        except psycopg.Error as error:
            raise _refused(self._address, error) from error

    def tables(self) -> list[LiveTable]:
        """All tables of users, partitioned roots too; columns that are computed are left out."""
        return [
            LiveTable(
                name=Name(None, schema, name),
                columns=tuple(
                    Column(name=column, type=kind) for column, kind in zip(names or (), types or (), strict=True)
                ),
                key=tuple(key or ()),
                logged=logged,
            )
            for schema, name, names, types, key, logged in self.found(_TABLES)
        ]

    def rows(self, table: LiveTable) -> Iterator[list[Row]]:
        """All rows of the table itself, without those of tables that inherit from it."""
        holds = [dialect_of(self.engine).hold(column.type) for column in table.columns]
        for batch in self.batches(table):
            yield from held_parts(batch, holds, lambda *_: None)

    def batches(self, table: LiveTable) -> Iterator[Batch]:
        """The same rows as COPY text."""
        named = sql.SQL(", ").join(map(sql.Identifier, (column.name for column in table.columns)))
        statement = sql.SQL("COPY (SELECT {} FROM ONLY {}) TO STDOUT").format(
            named, sql.Identifier(str(table.name.schema), table.name.name)
        )
        offset = 0
        try:
            for data in _copied(self._connection, statement.as_bytes(self._connection)):
                if data:
                    yield lines_batch(data, len(table.columns), offset)
                    offset += len(data)
        except psycopg.Error as error:
            raise CannotCheck(
                f"{self._address.label}: {table.name.label} can't be read: {one_line(error)}",
                "its row-level security hides rows from this user: use one with BYPASSRLS, or leave it out with --table"
                if "row-level security" in str(error)
                else "grant SELECT on it to this user, or leave the table out with --table",
            ) from error

    def value(self, query: str) -> str:
        """What a query of the user gives: the first cell of its first row. Raises UsageError for one that fails."""
        try:
            row = self._connection.execute(query.encode()).fetchone()
        except psycopg.Error as error:
            raise UsageError(f"{query}: {one_line(error)}", "try the query on the server itself") from error
        return first_cell(row)

    def objects(self, *, every: bool) -> dict[ObjectKey, DatabaseObject]:
        """What the database has besides rows; the bytes of large objects are read where `every` one counts."""
        try:
            found = objects_of(self._connection)
            return found | large_objects_of(self._connection) if every else found
        except psycopg.Error as error:
            raise _refused(self._address, error) from error

    def accounts(self) -> dict[AccountKey, frozenset[str]]:
        """Who may do what on the whole server."""
        return accounts_of(self._connection)

    def default_rights(self, database: str) -> dict[AccountKey, frozenset[str]]:
        """What new things in this database are given to others."""
        return default_rights_of(self._connection, database)

    def is_side_copy(self) -> bool:
        """Whether the database's comment is the mark of those that Sospes makes."""
        query = "SELECT shobj_description(oid, 'pg_database') FROM pg_database WHERE datname = current_database()"
        row = self._connection.execute(query).fetchone()
        return bool(row and str(row[0] or "").startswith(MARK))

    def unseen(self) -> frozenset[str]:
        """Nothing: everybody may read the catalog."""
        return frozenset()

    def close(self) -> None:
        """End the snapshot."""
        self._connection.close()


_UNTOUCHED = {
    "hostaddr": "", "options": "", "sslmode": "disable", "gssencmode": "disable", "target_session_attrs": "any",
    "passfile": "", "client_encoding": "UTF8", "channel_binding": "disable",
}  # fmt: skip
"""What the engine's library would else take from the environment."""

_DEFAULTS = "SET timezone = 'UTC'; SET datestyle = 'ISO, MDY'; SET geqo = DEFAULT"
"""What the engine's library sends from variables of the environment, whatever else is said."""


def connected(address: Address, database: str | None = None) -> psycopg.Connection[Any]:
    """A connection; the engine's own password file is looked into by its own library."""
    values: dict[str, Any] = {
        "host": address.options.get("host") or address.host,
        "port": address.port,
        "user": address.user,
        "password": address.password,
        "dbname": database or address.database,
        "connect_timeout": address.options.get("connect_timeout", "10"),
        "application_name": "sospes",
        **{key: value for key, value in address.options.items() if key.startswith("ssl")},
    }
    if address.own:
        values |= _UNTOUCHED
    conninfo = make_conninfo("", **{key: value for key, value in values.items() if value is not None})
    try:
        connection = psycopg.connect(conninfo, autocommit=True, prepare_threshold=None)
        connection.execute(_DEFAULTS)
        return connection
    except psycopg.Error as error:
        raise _refused(address, error) from error


def _refused(address: Address, error: psycopg.Error) -> CannotCheck:
    said = one_line(error)
    full = _FULL.search(said) is not None
    return CannotCheck(
        f"{address.label}: {said}",
        NO_CONNECTIONS if full else "check that the server runs, the name of the database, and the user's rights",
    )


_FULL = re.compile(r"too many (?:clients|connections)|connection slots")
NO_CONNECTIONS = (
    "the server has no connections left: end some of them, or raise max_connections; a restore takes two, and its "
    "--workers, for each database of the backup"
)
"""What is said where a server takes no more connections, which isn't known by a code before one is there."""


def one_line(error: psycopg.Error) -> str:
    """A server's message without its line ends."""
    return " ".join(str(error).split()) or type(error).__name__


def stop_if_outside(error: psycopg.Error) -> None:
    """Raises CannotCheck for an error that says nothing of the backup: no space, no memory, a lost connection."""
    state = error.sqlstate
    lost = state is None and isinstance(error, psycopg.OperationalError)
    if lost or (state or "")[:2] in _OUTSIDE or state in _STOPPED:
        raise could_not_go_on(one_line(error)) from error


def _copied(connection: psycopg.Connection[Any], statement: bytes) -> Iterator[bytes]:
    """What COPY sends, whole rows joined to blocks, by the library's own functions: a cursor takes three times as long.

    Rows come one by one; few of them are kept apart at a time, as many small objects take twice as long. Who stops
    reading early, or meets an error, leaves the connection and its snapshot as they were before.
    """
    connection.execute("SAVEPOINT sospes_rows")
    ended = False
    try:
        yield from _blocks_of(connection.pgconn, statement)
        ended = True
    finally:
        if not ended:
            _stopped(connection)
            connection.execute("ROLLBACK TO SAVEPOINT sospes_rows")
        connection.execute("RELEASE SAVEPOINT sospes_rows")


def _stopped(connection: psycopg.Connection[Any]) -> None:
    """End a COPY that nobody reads any more."""
    low = connection.pgconn
    if low.transaction_status != psycopg.pq.TransactionStatus.ACTIVE:
        return
    connection.cancel()
    with suppress(psycopg.OperationalError):  # all of it was taken already
        while low.get_copy_data(0)[0] > 0:
            pass
    while low.get_result() is not None:
        pass


def _blocks_of(low: PGconn, statement: bytes) -> Iterator[bytes]:
    low.send_query(statement)
    found = low.get_result()
    if found is None or found.status != ExecStatus.COPY_OUT:
        _drained(low, found)
        return
    take, size = low.get_copy_data, 1
    while size > 0:
        parts: list[bytes] = []
        while size > 0 and len(parts) < JOINED_AT_ONCE:
            rows: list[bytes | memoryview] = []
            for _ in range(JOINED_AT_ONCE):
                size, data = take(0)
                if size <= 0:
                    break
                rows.append(data)
            parts.append(b"".join(rows))
        yield b"".join(parts)
    _drained(low, low.get_result())


def _drained(low: PGconn, found: PGresult | None) -> None:
    """Take all results of a statement. Raises the server's error if there is one."""
    problem: psycopg.Error | None = None
    while found is not None:
        if found.status not in {ExecStatus.COMMAND_OK, ExecStatus.COPY_OUT}:
            problem = psycopg.errors.error_from_result(found)
        found = low.get_result()
    if problem is not None:
        raise problem

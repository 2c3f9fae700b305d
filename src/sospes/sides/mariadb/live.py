"""Reads a live MariaDB or MySQL database in one consistent snapshot.

Sources: MariaDB Knowledge Base, "START TRANSACTION", "Information Schema COLUMNS Table".
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import pymysql
from pymysql.cursors import SSCursor

from sospes.engines.mariadb.accounts import facts_of
from sospes.engines.registry import dialect_of
from sospes.model.accounts import AccountBook, AccountFact, AccountKey, AccountKind, Accounts
from sospes.model.entries import Column, Engine, Name
from sospes.model.errors import CannotCheck, UsageError
from sospes.model.events import Batch, Held, Notation
from sospes.model.objects import DatabaseObject, ObjectKey
from sospes.model.types import Hold
from sospes.rows.decoding import Row, first_cell
from sospes.rows.relined import few_escaped
from sospes.sides.mariadb.objects import objects_of
from sospes.sides.servers.address import Address
from sospes.sides.servers.live import LiveTable
from sospes.sides.servers.marks import MARK_TABLE
from sospes.sides.servers.telling import could_not_go_on
from sospes.sql.quoting import back_quoted, dotted

ROWS_AT_ONCE = 5000
_COLUMNS = """
SELECT c.TABLE_SCHEMA, c.TABLE_NAME, c.COLUMN_NAME, c.COLUMN_TYPE, c.COLLATION_NAME, c.IS_NULLABLE, c.EXTRA
FROM information_schema.COLUMNS c JOIN information_schema.TABLES t USING (TABLE_SCHEMA, TABLE_NAME)
WHERE {scope} AND t.TABLE_TYPE IN ('BASE TABLE', 'SYSTEM VERSIONED') AND BINARY t.TABLE_NAME = BINARY c.TABLE_NAME
  AND COALESCE(c.GENERATION_EXPRESSION, '') = ''
ORDER BY 1, 2, c.ORDINAL_POSITION
"""
ME = "GRANTEE = REPLACE(QUOTE(CURRENT_USER()), '@', '\\'@\\'')"
"""The rights of this very user, in the information schema's notation 'user'@'host'."""

_KEYS = """
SELECT TABLE_SCHEMA, TABLE_NAME, COLUMN_NAME FROM information_schema.STATISTICS
WHERE {scope} AND INDEX_NAME = 'PRIMARY' ORDER BY TABLE_SCHEMA, TABLE_NAME, SEQ_IN_INDEX
"""
_SYSTEM = "('mysql', 'sys', 'information_schema', 'performance_schema')"


_MY_RIGHTS = f"""
SELECT PRIVILEGE_TYPE FROM information_schema.USER_PRIVILEGES WHERE {ME}
UNION SELECT PRIVILEGE_TYPE FROM information_schema.SCHEMA_PRIVILEGES WHERE {ME} AND DATABASE() LIKE TABLE_SCHEMA
"""
_SEEN_WITH = {
    "function": {"EXECUTE"}, "procedure": {"EXECUTE"}, "trigger": {"TRIGGER"}, "event": {"EVENT"},
    "constraint": {"TRIGGER", "INSERT", "UPDATE", "DELETE", "ALTER", "INDEX", "REFERENCES", "CREATE", "DROP"},
}  # fmt: skip
"""Rights to a database of which one shows objects of a kind."""


class LiveMariadb:
    """One snapshot of a database."""

    def __init__(self, address: Address, timeout_seconds: int) -> None:
        self._address = address
        self._connection = connected(address)
        try:
            with self._connection.cursor() as cursor:
                for setting in (
                    "SET sql_mode = ''",  # what is asked here is written for no mode
                    "SET time_zone = '+00:00'",
                    "SET SESSION TRANSACTION ISOLATION LEVEL REPEATABLE READ",
                    "SET lock_wait_timeout = 5",
                    "START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY",
                ):
                    cursor.execute(setting)
                cursor.execute("SELECT VERSION()")
                self.version = str((cursor.fetchone() or [""])[0])
                self.engine = Engine.MARIADB if "mariadb" in self.version.lower() else Engine.MYSQL
                limit = (
                    f"SET max_statement_time = {timeout_seconds}"
                    if self.engine is Engine.MARIADB
                    else f"SET max_execution_time = {timeout_seconds * 1000}"
                )
                cursor.execute(limit)
        except pymysql.Error as error:
            raise _refused(address, error) from error

    def tables(self) -> list[LiveTable]:
        """All tables, of all databases where the address names none; columns that are computed are left out."""
        scope = "TABLE_SCHEMA = DATABASE()" if self._address.database else f"TABLE_SCHEMA NOT IN {_SYSTEM}"
        with self._connection.cursor() as cursor:
            cursor.execute(_KEYS.format(scope=scope))
            keys: dict[Name, list[str]] = {}
            for database, table, column in cursor.fetchall():
                keys.setdefault(Name(database, None, table), []).append(column)
            cursor.execute(_COLUMNS.format(scope=f"c.{scope}"))
            columns: dict[Name, list[Column]] = {}
            for database, table, column, kind, collation, nullable, extra in cursor.fetchall():
                moves = "on update" in str(extra).lower()
                found = Column(name=column, type=kind, collation=collation, not_null=nullable == "NO", moves=moves)
                columns.setdefault(Name(database, None, table), []).append(found)
        return [
            LiveTable(name=name, columns=tuple(found), key=tuple(keys.get(name, ())))
            for name, found in columns.items()
            if name.name != MARK_TABLE
        ]

    def rows(self, table: LiveTable) -> Iterator[list[Row]]:
        """All rows of a table."""
        names = ", ".join(map(back_quoted, (column.name for column in table.columns)))
        holds = [dialect_of(self.engine).hold(column.type) for column in table.columns]
        with self._read(table, names) as cursor:
            while rows := cursor.fetchmany(ROWS_AT_ONCE):
                yield [tuple(map(_held, row, holds)) for row in rows]

    @contextmanager
    def _read(self, table: LiveTable, what: str) -> Iterator[SSCursor]:
        """A cursor over all rows of a table, left as it should be once it is read or given up."""
        label = dotted(back_quoted, table.name.database, table.name.name)
        try:
            with self._connection.cursor(SSCursor) as cursor:
                cursor.execute(f"SELECT {what} FROM {label}")
                yield cursor
        except pymysql.Error as error:
            raise CannotCheck(
                f"{self._address.label}: {table.name.label} can't be read: {one_line(error)}",
                "grant SELECT on it to this user, or leave the table out with --table",
            ) from error

    def batches(self, table: LiveTable) -> Iterator[Batch]:
        """All rows of a table as COPY text that the server writes; records where a row is too long for it to do so."""
        cells = f", {_TAB}, ".join(_cell(column, self.engine) for column in table.columns)
        with self._read(table, f"CAST(CONCAT({cells}, {_LINE_FEED}) AS BINARY)") as cursor:
            while rows := cursor.fetchmany(ROWS_AT_ONCE):
                lines = [row[0] for row in rows]
                if None in lines:  # longer than a packet may be
                    yield _batch(Notation.RECORDS, b"", 0, len(table.columns))
                    return
                data = _IN_HEX.sub(_unpacked, b"".join(lines))
                yield _batch(Notation.COPY, data, len(lines), len(table.columns))

    def value(self, query: str) -> str:
        """What a query of the user gives: the first cell of its first row. Raises UsageError for one that fails."""
        try:
            with self._connection.cursor() as cursor:
                cursor.execute(query)
                row = cursor.fetchone()
        except pymysql.Error as error:
            raise UsageError(f"{query}: {one_line(error)}", "try the query on the server itself") from error
        return first_cell(row)

    def objects(self, *, every: bool) -> dict[ObjectKey, DatabaseObject]:
        """What the database has besides rows."""
        try:
            with self._connection.cursor() as cursor:
                cursor.execute("SELECT DATABASE()")
                name = str((cursor.fetchone() or ("",))[0])
            return objects_of(self._connection, name, mariadb=self.engine is Engine.MARIADB)
        except pymysql.Error as error:
            raise _refused(self._address, error) from error

    def accounts(self) -> Accounts | None:
        """Who may do what on the whole server; None for a user who may not see accounts."""
        book = AccountBook()
        try:
            with self._connection.cursor() as cursor:
                cursor.execute("SELECT User, Host FROM mysql.user WHERE User NOT LIKE 'sospes\\_%'")
                for user, host in cursor.fetchall():
                    name = back_quoted(str(user)) + (f"@{back_quoted(str(host))}" if host else "")
                    book.take(AccountFact(AccountKey(AccountKind.ACCOUNT, f"{user}@{host}" if host else str(user))))
                    for query in (f"SHOW CREATE USER {name}", f"SHOW GRANTS FOR {name}")[0 if host else 1 :]:
                        cursor.execute(query)
                        for (text,) in cursor.fetchall():
                            for fact in facts_of(str(text)):
                                book.take(fact)
        except pymysql.Error:
            return None
        return book.found

    def is_side_copy(self) -> bool:
        """Whether the database has the table that marks those that Sospes makes."""
        with self._connection.cursor() as cursor:
            cursor.execute("SHOW TABLES LIKE %s", (MARK_TABLE.replace("_", "\\_"),))
            return cursor.fetchone() is not None

    def unseen(self) -> frozenset[str]:
        """Kinds of objects that this user has no right to see."""
        try:
            with self._connection.cursor() as cursor:
                cursor.execute(_MY_RIGHTS)
                mine = {str(row[0]) for row in cursor.fetchall()}
        except pymysql.Error as error:
            raise _refused(self._address, error) from error
        return frozenset(kind for kind, rights in _SEEN_WITH.items() if not rights & mine)

    def close(self) -> None:
        """End the snapshot."""
        self._connection.close()


def _batch(notation: Notation, data: bytes, rows: int, width: int) -> Batch:
    """Rows that stand nowhere."""
    return Batch(
        notation=notation, data=data, rows=rows, width=width, encoding="utf-8", first_row=0, plain_from=0, plain_to=0,
        line=0,
    )  # fmt: skip


def _said(text: bytes) -> str:
    """Text in a form that no mode of the server reads otherwise."""
    return f"_utf8mb4 0x{text.hex()}"


LONG = 4096
"""Text of more bytes comes in hex, as the server's time to replace in it grows with its square."""

_TAB, _LINE_FEED, _HEX, _NULL, _MARK = map(_said, (b"\t", b"\n", b"\\\\x", b"\\N", b"\\H"))
_IN_HEX = re.compile(rb"(?:^|(?<=\t))\\H([0-9A-F]*)", re.M)
_ESCAPED = [
    (_said(raw), _said(said)) for raw, said in ((b"\\", b"\\\\"), (b"\t", b"\\t"), (b"\n", b"\\n"), (b"\r", b"\\r"))
]


def _unpacked(match: re.Match[bytes]) -> bytes:
    """A long cell that came in hex, which no cell of escaped text looks like."""
    return few_escaped(bytes.fromhex(match[1].decode()))


def _cell(column: Column, engine: Engine) -> str:
    """An expression that gives a column's values as cells of COPY text, in the words of `rows.relined`."""
    name, first = back_quoted(column.name), column.type.lower().split("(")[0].split(" ")[0]
    hold = dialect_of(engine).hold(column.type)
    if first == "bit":
        size = (int("".join(filter(str.isdigit, column.type)) or 1) + 7) // 8 * 2
        written = f"CONCAT({_HEX}, LOWER(LPAD(HEX({name} + 0), {size}, '0')))"
    elif hold is Hold.BYTES:
        written = f"CONCAT({_HEX}, LOWER(HEX({name})))"
    elif hold is Hold.INTEGER or column.collation is None:
        written = f"CAST({name} AS CHAR CHARACTER SET utf8mb4)"
    else:
        written = f"CONVERT({name} USING utf8mb4)"
        whole = f"CONCAT({_MARK}, HEX({written}))"
        for raw, said in _ESCAPED:
            written = f"REPLACE({written}, {raw}, {said})"
        written = f"IF(LENGTH({name}) > {LONG}, {whole}, {written})"
    return f"IF({name} IS NULL, {_NULL}, {written})"


def connected(address: Address, database: str | None = None) -> pymysql.Connection[Any]:
    """A connection that gives values as text or bytes; the user's own option file is looked into."""
    own_file = Path("~/.my.cnf").expanduser()
    values: dict[str, Any] = {
        "host": address.host,
        "port": address.port,
        "user": address.user,
        "password": address.password,
        "database": database or address.database,
        "unix_socket": address.options.get("unix_socket"),
        "read_default_file": str(own_file) if own_file.is_file() else None,
        **{key: value for key, value in address.options.items() if key.startswith("ssl_")},
    }
    try:
        return pymysql.connect(
            **{key: value for key, value in values.items() if value is not None},
            charset="utf8mb4", conv={}, autocommit=True, connect_timeout=10,
        )  # fmt: skip
    except pymysql.Error as error:
        raise _refused(address, error) from error


def _refused(address: Address, error: pymysql.Error) -> CannotCheck:
    return CannotCheck(
        f"{address.label}: {one_line(error)}",
        "check that the server runs, the name of the database, and the user's rights",
    )


def one_line(error: pymysql.Error) -> str:
    """A server's message without its number and line ends."""
    return " ".join(str(error.args[-1] if error.args else error).split())


_OUTSIDE = frozenset({3, 28, 1021, 1037, 1041, 1053, 1114, 1135, 1040, 2006, 2013, 2055})
"""No space, no memory, no threads, too many connections, shutting down, connection lost."""


def stop_if_outside(error: pymysql.Error) -> None:
    """Raises CannotCheck for an error that says nothing of the backup: no space, no memory, a lost connection."""
    number = error.args[0] if error.args else 0
    if number in _OUTSIDE or isinstance(error, pymysql.err.InterfaceError):
        raise could_not_go_on(one_line(error)) from error


def _held(value: str | bytes | None, hold: Hold) -> Held:
    if value is None or (hold is Hold.BYTES and isinstance(value, bytes)):
        return value
    if hold is Hold.BYTES:
        return str(value).encode("utf-8", "surrogateescape")
    if hold is Hold.INTEGER:
        return int(value)
    return value.decode("utf-8", "replace") if isinstance(value, bytes) else value

"""Puts tables into a live MariaDB or MySQL database: filled under names of their own, renamed once they are whole."""

from __future__ import annotations

import time
from collections.abc import Iterator, Mapping
from contextlib import suppress
from functools import partial
from threading import Lock

import pymysql

from sospes.engines.mariadb.way_back import MariadbWayBack
from sospes.engines.way_back import Rows, Step, Stretch
from sospes.model.entries import Name
from sospes.sides.mariadb.hosts import Session
from sospes.sides.mariadb.live import connected, one_line
from sospes.sides.servers.address import Address
from sospes.sides.servers.landing import Pace
from sospes.sides.servers.marks import aside_of
from sospes.sides.servers.telling import AGAIN, taken_back
from sospes.sides.servers.workers import Workers
from sospes.sql.quoting import back_quoted

_NO_TABLE = 1146
_ADJUSTED = frozenset({1264, 1265, 1366, 1406, 1292})
"""A value that its column can't hold as it is: a strict server refuses it, and a restore would change it."""

_COLUMNS = """
SELECT CONSTRAINT_NAME, COLUMN_NAME, REFERENCED_TABLE_NAME, REFERENCED_COLUMN_NAME, TABLE_NAME
FROM information_schema.KEY_COLUMN_USAGE
WHERE TABLE_SCHEMA = DATABASE() AND REFERENCED_TABLE_SCHEMA = DATABASE()
  AND (TABLE_NAME IN %s OR REFERENCED_TABLE_NAME IN %s) ORDER BY TABLE_NAME, CONSTRAINT_NAME, ORDINAL_POSITION
"""


class MariadbLanding:
    """Definitions end transactions here, so what was made is remembered, and taken away again after a failure."""

    def __init__(self, address: Address, pace: Pace) -> None:
        self._address = address
        self._pace = pace
        self._session = self._connected()
        self._workers = Workers([self._connected() for _ in range(pace.workers)])
        self._undo: list[bytes] = []
        self._placed: list[str] = []
        self._error: pymysql.Error | None = None
        self._changed: dict[str, str] = {}
        self._lock = Lock()
        self._asides: dict[Name, str] = {}

    def _connected(self) -> Session:
        session = connected(self._address)
        with session.cursor() as cursor:
            for setting in MariadbWayBack.settings:
                cursor.execute(setting)
        return session

    def aside(self, table: Name) -> str:
        """A name that says whose it is, so that what a killed run left is known; a lock says that it is in use."""
        if table not in self._asides:
            name = aside_of(f"{self._address.database}.{table.name} {time.time_ns()}", self._address.state)
            with self._session.cursor() as cursor:
                cursor.execute("SELECT GET_LOCK(%s, 0)", (name,))
            self._asides[table] = name
        return self._asides[table]

    def rows_of(self, table: Name) -> int | None:
        """Count a table's rows."""
        try:
            with self._session.cursor() as cursor:
                cursor.execute(f"SELECT COUNT(*) FROM {back_quoted(table.name)}")
                [count] = cursor.fetchone() or [0]
                return int(count)
        except pymysql.Error as error:
            if error.args[0] == _NO_TABLE:
                return None
            raise

    def define(self, step: Step) -> str:
        """Run one statement, and remember how to take it back."""
        try:
            with self._session.cursor() as cursor:
                cursor.execute(step.statement)
        except pymysql.Error as error:
            if step.optional:
                return one_line(error)
            raise self._refused(step, error) from error
        if step.undo:
            self._undo.append(step.undo)
        return ""

    def fill(self, step: Step, rows: Rows) -> Iterator[int]:
        """Rows some hundred at a time, by several connections; with pauses as long as the work if that is asked for."""
        for stretch in step.rows or ():
            begin = time.monotonic()
            data = rows(stretch)
            self._workers.submit(self._workers.quietest(), partial(self._insert, step, stretch, data))
            if self._pace.gentle:
                self._workers.settle()
                time.sleep(time.monotonic() - begin)
            if self._error is not None:
                break
            yield stretch.rows
        self._workers.settle()
        if self._error is not None:
            raise self._refused(step, self._error) from self._error

    def _insert(self, step: Step, stretch: Stretch, data: bytes, session: Session) -> None:
        """A worker's job. Values that a strict server refuses go in as a restore would put them, and are told."""
        try:
            with session.cursor() as cursor:
                try:
                    cursor.execute(step.statement + data)
                except pymysql.Error as error:
                    if error.args[0] not in _ADJUSTED:
                        raise
                    cursor.execute("SET SESSION sql_mode = 'NO_AUTO_VALUE_ON_ZERO'")
                    cursor.execute(step.statement + data)
                    cursor.execute("SET SESSION sql_mode = 'NO_AUTO_VALUE_ON_ZERO,STRICT_ALL_TABLES'")
                    with self._lock:
                        self._changed[step.label] = one_line(error)
        except pymysql.Error as error:
            with self._lock:
                self._error = self._error or error

    def orphans(self) -> list[str]:
        """References with rows that don't follow them: the server looks at no row while they are made here."""
        if not self._placed:
            return []
        found: dict[tuple[str, str, str], list[tuple[str, str]]] = {}
        with self._session.cursor() as cursor:
            cursor.execute(_COLUMNS, (self._placed, self._placed))
            for name, column, parent, key, child in cursor.fetchall():
                found.setdefault((child, name, parent), []).append((column, key))
            told = []
            for (child, name, parent), columns in found.items():
                cursor.execute(_orphans(child, parent, columns))
                [count] = cursor.fetchone() or [0]
                if int(count):
                    told.append(f"reference {name} of {child}: {int(count):,} rows refer to rows that {parent} hasn't")
        return told

    def adjusted(self) -> Mapping[str, str]:
        """What the server said against values that it then changed as a restore would, by step."""
        return self._changed

    def settle(self, names: Mapping[Name, str]) -> None:
        """Rename all tables in one statement."""
        if not names:
            return
        moves = ", ".join(f"{back_quoted(aside)} TO {back_quoted(name.name)}" for name, aside in names.items())
        try:
            with self._session.cursor() as cursor:
                cursor.execute(f"RENAME TABLE {moves}")
        except pymysql.Error as error:
            self.abandon()
            raise taken_back(
                self._address, f"the tables could not be given their names: {one_line(error)}", AGAIN
            ) from error
        self._placed = [name.name for name in names]
        self._undo.clear()  # from here on others may have written rows into them

    def keep(self) -> None:
        """All is seen already."""
        self._close()

    def abandon(self) -> None:
        """Take away what was made, the last first."""
        with suppress(pymysql.Error), self._session.cursor() as cursor:
            while self._undo:
                cursor.execute(self._undo.pop())
        self._close()

    def _close(self) -> None:
        for session in (self._session, *self._workers.connections):
            with suppress(pymysql.Error):
                session.close()

    def _refused(self, step: Step, error: pymysql.Error) -> Exception:
        self.abandon()
        return taken_back(self._address, f"{step.label}: {one_line(error)[:400]}", AGAIN)


def _orphans(child: str, parent: str, columns: list[tuple[str, str]]) -> str:
    """A count of rows of a table whose key is in none of another's rows; keys with NULL refer to nothing."""
    same = " AND ".join(f"p.{back_quoted(key)} = c.{back_quoted(column)}" for column, key in columns)
    given = " AND ".join(f"c.{back_quoted(column)} IS NOT NULL" for column, _ in columns)
    return (
        f"SELECT COUNT(*) FROM {back_quoted(child)} c WHERE {given} "
        f"AND NOT EXISTS (SELECT 1 FROM {back_quoted(parent)} p WHERE {same})"
    )

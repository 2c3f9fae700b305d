"""Restores a stream of events on a MariaDB server of our own: statement by statement, rows in bulk.

All statements run as a restorer whose rights end at the databases: no files, no other server, no accounts.
"""

from __future__ import annotations

import sys
from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass, field, replace
from pathlib import Path
from typing import Any

import pymysql

from sospes.model.entries import Engine, Entry, Name
from sospes.model.errors import CannotCheck
from sospes.model.events import Batch, Event, RowsBegin, RowsEnd
from sospes.model.findings import Finding, Place, doubt, fault
from sospes.sides.servers.guard import Leave, leave_of
from sospes.sides.servers.live_mariadb import connected, one_line, quoted
from sospes.sides.servers.private_mariadb import RESTORER, PrivateMariadb
from sospes.sides.servers.restore_postgresql import statements_of

DATABASE = "sospes_side"
"""The database of a backup that names none."""

_NOT_HERE = frozenset({1193, 1231, 1227, 1273, 1115})
"""A setting, a value of one, a right for one, a collation, a character set that this server doesn't have."""

_NO_TABLE = frozenset({1146, 1049})


@dataclass(slots=True)
class MariadbRestore:
    """Takes in events; what the server refuses is yielded as findings."""

    server: PrivateMariadb
    rows: dict[Name, int] = field(default_factory=dict)
    refused: list[tuple[str, str]] = field(default_factory=list)
    _connection: pymysql.Connection[Any] | None = None
    _databases: set[str] = field(default_factory=set)
    _used: str | None = None
    _defined: bool = False
    _begin: RowsBegin | None = None
    _given: int = 0

    @property
    def folder(self) -> Path:
        """Where the server's files are."""
        return self.server.folder

    def take(self, event: Event) -> Iterator[Finding]:
        """Carry out one event."""
        if isinstance(event, Entry):
            yield from self._entry(event)
        elif isinstance(event, RowsBegin):
            self._begin, self._given = event, 0
        elif isinstance(event, Batch) and self._begin is not None:
            yield from self._batch(event, self._begin)
        elif isinstance(event, RowsEnd):
            if self._begin is not None:
                self.rows[event.table] = self.rows.get(event.table, 0) + self._given
            self._begin = None

    def summary(self) -> Iterator[Finding]:
        """Nothing is done otherwise than the backup says."""
        yield from ()

    def close(self) -> None:
        """Close the connection; an error on the way here removes the server as well."""
        if self._connection is not None:
            with suppress(pymysql.Error):
                self._connection.close()
        if sys.exc_info()[0] is not None:
            self.server.remove()

    def remove(self) -> None:
        """Stop the server and delete its files."""
        self.server.remove()

    def _use(self, database: str | None) -> pymysql.Connection[Any]:
        name = database or DATABASE
        if self._connection is None:
            self._connection = connected(replace(self.server.address(""), user=RESTORER))
        if name not in self._databases:
            self._databases.add(name)
            self._query(f"CREATE DATABASE IF NOT EXISTS {quoted(name)}".encode())
        if self._used != name:
            self._used = name
            self._connection.select_db(name)
        return self._connection

    def _query(self, statement: bytes) -> None:
        """Run one statement as the bytes that it is: a script may hold several character sets."""
        assert self._connection is not None  # made by the first use of a database
        with self._connection.cursor() as cursor:
            cursor.execute(statement)
            while cursor.nextset():
                pass

    def _entry(self, entry: Entry) -> Iterator[Finding]:
        leave = leave_of(Engine.MARIADB, entry)
        if leave is Leave.PASSED_OVER and entry.kind == "drop":
            leave = Leave.RESTORER  # stand-ins for views are dropped before the views are made
        if leave is Leave.PASSED_OVER or entry.kind in {"hostile", "unknown"} or not entry.definition.strip():
            return  # the reader has told of hostile and unknown statements
        if leave is Leave.REFUSED:
            self.refused.append((entry.kind, entry.name.full_label))
            yield doubt(
                "statement-refused",
                f"statements of the kind {entry.kind} are not run on a side copy: {entry.name.label}",
                "what it does was not rehearsed; look at it, and restore it by hand where it is meant",
                _place(entry),
            )
            return
        self._defined = self._defined or entry.kind == "table"
        try:
            self._use(entry.name.name if entry.kind in {"database", "use"} else entry.name.database)
            if leave is not Leave.OURS:
                self._query(entry.definition.strip().removesuffix(entry.delimiter))
        except pymysql.Error as error:
            yield from self._failed(entry, error)

    def _failed(self, entry: Entry, error: pymysql.Error) -> Iterator[Finding]:
        number = error.args[0] if error.args else 0
        if entry.kind == "setting" and number in _NOT_HERE:
            return
        if not self._defined and number in _NO_TABLE:
            yield self._undefined(entry.about or entry.name)
            return
        yield fault(
            "statement-failed",
            f"{entry.kind} {entry.name.label}: the server says: {one_line(error)[:300]}",
            "on a real restore it would fail as well; the rest was restored without it",
            _place(entry),
        )

    def _batch(self, batch: Batch, begin: RowsBegin) -> Iterator[Finding]:
        try:
            self._use(begin.table.database)
            if batch.starts is None:
                self._query(begin.opening)
                self._given += batch.rows
                return
            for statement, rows in statements_of(begin.opening, batch):
                self._query(statement)
                self._given += rows
        except pymysql.Error as error:
            self._begin = None
            if not self._defined and error.args and error.args[0] in _NO_TABLE:
                yield self._undefined(begin.table)
                return
            yield fault(
                "rows-refused",
                f"{begin.table.label}: the server refuses its rows: {one_line(error)[:300]}",
                "on a real restore the table would stay without these rows",
                Place(database=begin.table.database, table=begin.table.name),
            )

    def _undefined(self, table: Name) -> Finding:
        return doubt(
            "definition-missing",
            f"{table.label}: the backup has its rows and no definitions, so there is nothing to restore them into",
            "rehearse the backup that has the definitions, or compare these rows with live",
            Place(database=table.database, table=table.name),
        )

    # -- the engine's own checks

    def checked(self) -> Iterator[Finding]:
        """CHECK TABLE on every table, counts by table and by index, views that can be read."""
        administrator = connected(self.server.address(""))
        try:
            for table, expected in self.rows.items():
                yield from self._check_table(administrator, table, expected)
            with administrator.cursor() as cursor:
                cursor.execute(
                    "SELECT TABLE_SCHEMA, TABLE_NAME FROM information_schema.TABLES WHERE TABLE_TYPE = 'VIEW' "
                    "AND TABLE_SCHEMA NOT IN ('sys', 'mysql', 'information_schema', 'performance_schema')"
                )
                views = cursor.fetchall()
            for database, view in views:
                yield from self._check_view(administrator, f"{quoted(database)}.{quoted(view)}", f"{database}.{view}")
        except pymysql.Error as error:
            raise CannotCheck(f"the private server stopped answering: {one_line(error)}", "run this again") from error
        finally:
            administrator.close()

    def _check_table(self, administrator: pymysql.Connection[Any], table: Name, expected: int) -> Iterator[Finding]:
        label = f"{quoted(table.database or DATABASE)}.{quoted(table.name)}"
        place = Place(database=table.database, table=table.name)
        with administrator.cursor() as cursor:
            try:
                cursor.execute(f"SELECT COUNT(*) FROM {label}")
                found = int((cursor.fetchone() or ("0",))[0])
            except pymysql.Error as error:
                yield fault("table-unusable", f"{table.label} can't be read: {one_line(error)}", "", place)
                return
            if found != expected:
                yield fault(
                    "rows-miscounted",
                    f"{table.label}: the backup has {expected:,} rows, the side copy {found:,}",
                    "find out what refused or added rows: a trigger, a failed statement, INSERT IGNORE",
                    place,
                )
            cursor.execute(f"CHECK TABLE {label} EXTENDED")
            for _, _, kind, text in cursor.fetchall():
                if str(kind).lower() == "error" or (str(kind).lower() == "status" and str(text) != "OK"):
                    yield fault(
                        "table-inconsistent",
                        f"{table.label}: the engine's check says: {text}",
                        "rows and indexes don't agree; take the backup again",
                        place,
                    )

    def _check_view(self, administrator: pymysql.Connection[Any], name: str, label: str) -> Iterator[Finding]:
        with administrator.cursor() as cursor:
            try:
                cursor.execute(f"SELECT * FROM {name} LIMIT 1")
                cursor.fetchall()
            except pymysql.Error as error:
                yield fault(
                    "view-unusable",
                    f"the view {label} can't be used: {one_line(error)[:300]}",
                    "something that it needs is missing or was refused",
                )


def _place(entry: Entry) -> Place:
    return Place(
        plain_from=entry.plain_from or None, plain_to=entry.plain_to or None, line=entry.line or None,
        database=entry.name.database, table=entry.about.name if entry.about else None,
    )  # fmt: skip

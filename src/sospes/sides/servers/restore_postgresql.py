"""Restores a stream of events on a PostgreSQL server of our own: statement by statement, rows by COPY.

Two users take part: a restorer without superuser rights, as whom everything runs that could call code of the backup,
and the administrator for statements that only change the catalog.
"""

from __future__ import annotations

import re
import secrets
import sys
from collections.abc import Iterator
from contextlib import ExitStack
from dataclasses import dataclass, field, replace
from pathlib import Path
from typing import Any

import psycopg
from psycopg import sql

from sospes.model.entries import Engine, Entry, Name
from sospes.model.events import Batch, Event, Notation, RowsBegin, RowsEnd
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.sides.servers.address import Address
from sospes.sides.servers.checks_postgresql import check_database
from sospes.sides.servers.guard import EXTENSIONS, Leave, leave_of
from sospes.sides.servers.live_postgresql import connected, one_line
from sospes.sides.servers.private_postgresql import PrivatePostgresql

RESTORER = "sospes_restorer"
DATABASE = "sospes_side"
"""The database of a backup that names none."""

ROWS_AT_ONCE = 500
_NOT_THERE = frozenset({"42P01", "3F000", "42704"})
"""A table, a schema or an object that isn't there."""

_ROLE_MISSING = re.compile(r'role "((?:[^"]|"")+)" does not exist')


@dataclass(slots=True)
class _Side:
    """The two connections to one database."""

    restorer: psycopg.Connection[Any]
    administrator: psycopg.Connection[Any]


@dataclass(slots=True)
class PostgresqlRestore:
    """Takes in events; what the server refuses is yielded as findings."""

    server: PrivatePostgresql
    rows: dict[Name, int] = field(default_factory=dict)
    roles: list[str] = field(default_factory=list)
    refused: list[tuple[str, str]] = field(default_factory=list)
    _secret: str = field(default_factory=lambda: secrets.token_urlsafe(24))
    _sides: dict[str, _Side] = field(default_factory=dict)
    _database: str | None = None
    _defined: bool = False
    _begin: RowsBegin | None = None
    _copy: psycopg.Copy | None = None
    _stack: ExitStack = field(default_factory=ExitStack)
    _given: int = 0

    def __post_init__(self) -> None:
        """Make the restorer."""
        with connected(self.server.address("postgres")) as connection:
            connection.execute(
                sql.SQL("CREATE ROLE {} LOGIN BYPASSRLS PASSWORD {}").format(
                    sql.Identifier(RESTORER), sql.Literal(self._secret)
                )
            )

    def take(self, event: Event) -> Iterator[Finding]:
        """Carry out one event."""
        if isinstance(event, Entry):
            yield from self._entry(event)
        elif isinstance(event, RowsBegin):
            yield from self._rows_begin(event)
        elif isinstance(event, Batch):
            yield from self._batch(event)
        elif isinstance(event, RowsEnd):
            yield from self._rows_end(event)

    @property
    def folder(self) -> Path:
        """Where the server's files are."""
        return self.server.folder

    def checked(self) -> Iterator[Finding]:
        """The engine's own checks of all databases."""
        for name, side in self._sides.items():
            side.administrator.execute("RESET ALL")
            rows = {table: count for table, count in self.rows.items() if _side_name(table.database) == name}
            yield from check_database(side.administrator, rows)

    def close(self) -> None:
        """Close all connections; an error on the way here removes the server as well."""
        for side in self._sides.values():
            side.restorer.close()
            side.administrator.close()
        if sys.exc_info()[0] is not None:
            self.server.remove()

    def remove(self) -> None:
        """Stop the server and delete its files."""
        self.server.remove()

    def summary(self) -> Iterator[Finding]:
        """What was done otherwise than the backup says."""
        if self.roles:
            listed = ", ".join(sorted(self.roles)[:8]) + (", ..." if len(self.roles) > 8 else "")
            yield note("roles-made", f"roles were made without login and password for the side copy: {listed}")

    def _side(self, database: str | None) -> _Side:
        name = _side_name(database)
        if name not in self._sides:
            with connected(self.server.address("postgres")) as connection:
                connection.execute(
                    sql.SQL("CREATE DATABASE {} OWNER {} TEMPLATE template0").format(
                        sql.Identifier(name), sql.Identifier(RESTORER)
                    )
                )
            address = self.server.address(name)
            administrator = connected(address)
            administrator.execute(
                sql.SQL("GRANT ALL ON SCHEMA public TO {}; ALTER SCHEMA public OWNER TO {}").format(
                    sql.Identifier(RESTORER), sql.Identifier(RESTORER)
                )
            )
            restorer = connected(_as_restorer(address, self._secret))
            self._sides[name] = _Side(restorer, administrator)
        return self._sides[name]

    # -- statements

    def _entry(self, entry: Entry) -> Iterator[Finding]:
        leave = leave_of(Engine.POSTGRESQL, entry)
        if leave is Leave.PASSED_OVER or not entry.definition.strip() or entry.kind in {"hostile", "unknown"}:
            return  # the reader has told of hostile and unknown statements
        self._defined = self._defined or entry.kind == "table"
        if leave is Leave.OURS:
            self._ours(entry)
        elif leave is Leave.REFUSED:
            self.refused.append((entry.kind, entry.name.full_label))
            yield self._refusal(entry, f"statements of the kind {entry.kind} are not run on a side copy")
        elif entry.kind == "extension" and entry.name.name not in EXTENSIONS:
            self.refused.append((entry.kind, entry.name.name))
            yield self._refusal(
                entry, f"the extension {entry.name.name} is not on the list of those that reach nothing"
            )
        else:
            side = self._side(entry.name.database)
            connection = side.administrator if leave is Leave.ADMINISTRATOR else side.restorer
            yield from self._run(connection, entry)
            if entry.kind == "setting" and entry.definition[:4].upper() == b"SET ":
                yield from self._run(side.administrator, entry)

    def _ours(self, entry: Entry) -> None:
        """Roles come without rights of their own; a database is made once something goes into it."""
        if entry.kind == "role":
            self._make_role(entry.name.name)

    def _run(self, connection: psycopg.Connection[Any], entry: Entry, tries: int = 8) -> Iterator[Finding]:
        try:
            connection.execute(entry.definition)
        except psycopg.Error as error:
            missing = _ROLE_MISSING.search(str(error))
            if missing and tries and self._make_role(missing[1].replace('""', '"')):
                yield from self._run(connection, entry, tries - 1)
            elif not _harmless(entry, error):
                yield self._failure(entry, error)

    def _make_role(self, name: str) -> bool:
        """A role without login and password that the restorer is a member of; False if it was there."""
        if name in self.roles or name in {RESTORER, "public"} or name.startswith("pg_"):
            return False
        self.roles.append(name)
        with connected(self.server.address("postgres")) as connection:
            connection.execute(
                sql.SQL("CREATE ROLE {0} NOLOGIN; GRANT {0} TO {1}").format(
                    sql.Identifier(name), sql.Identifier(RESTORER)
                )
            )
        return True

    def _failure(self, entry: Entry, error: psycopg.Error) -> Finding:
        if not self._defined and error.sqlstate in _NOT_THERE:
            return doubt(
                "definition-missing",
                f"{entry.kind} {entry.name.label}: what it is about is not defined in this backup",
                "rehearse the backup that has the definitions",
                _place(entry),
            )
        return fault(
            "statement-failed",
            f"{entry.kind} {entry.name.label}: the server says: {one_line(error)[:300]}",
            "on a real restore it would fail as well; the rest was restored without it",
            _place(entry),
        )

    def _refusal(self, entry: Entry, message: str) -> Finding:
        return doubt(
            "statement-refused",
            message,
            "what it does was not rehearsed; look at it, and restore it by hand where it is meant",
            _place(entry),
        )

    # -- rows

    def _rows_begin(self, event: RowsBegin) -> Iterator[Finding]:
        self._begin, self._given, self._copy = event, 0, None
        if event.notation is not Notation.COPY:
            return
        cursor = self._side(event.table.database).restorer.cursor()
        statement = event.opening.strip().rstrip(b";")
        try:
            self._copy = self._stack.enter_context(cursor.copy(statement))
        except psycopg.Error as error:
            self._copy = self._begin = None
            yield self._rows_refused(event.table, error)

    def _batch(self, batch: Batch) -> Iterator[Finding]:
        begin = self._begin
        if begin is None:
            return
        try:
            if self._copy is not None:
                self._copy.write(batch.data if batch.width else b"\n" * batch.rows)
                self._given += batch.rows
            elif batch.starts is not None and batch.ends is not None:
                connection = self._side(begin.table.database).restorer
                for statement, rows in statements_of(begin.opening, batch):
                    connection.execute(statement)
                    self._given += rows
            elif not batch.width and begin.notation is not Notation.COPY:
                self._side(begin.table.database).restorer.execute(begin.opening)
                self._given += 1
        except psycopg.Error as error:
            yield self._rows_refused(begin.table, error)
            self._begin = None if self._copy is None else begin

    def _rows_end(self, event: RowsEnd) -> Iterator[Finding]:
        copy, self._copy = self._copy, None
        if copy is not None:
            try:
                self._stack.close()
            except psycopg.Error as error:
                self._begin = None
                yield self._rows_refused(event.table, error)
        if self._begin is not None:
            self.rows[event.table] = self.rows.get(event.table, 0) + self._given
        self._begin = None

    def _rows_refused(self, table: Name, error: psycopg.Error) -> Finding:
        place = Place(database=table.database, schema=table.schema, table=table.name)
        if not self._defined:
            return doubt(
                "definition-missing",
                f"{table.label}: the backup has its rows and no definitions, so there is nothing to restore them into",
                "rehearse the backup that has the definitions, or compare these rows with live",
                place,
            )
        return fault(
            "rows-refused",
            f"{table.label}: the server refuses its rows: {one_line(error)[:300]}",
            "on a real restore the table would stay without these rows",
            place,
        )


def _side_name(database: str | None) -> str:
    """The name on the server of a database of the backup."""
    return DATABASE if database is None or database in {"postgres", "template1"} else database


def _as_restorer(address: Address, secret: str) -> Address:
    return replace(address, user=RESTORER, password=secret)


def statements_of(opening: bytes, batch: Batch) -> Iterator[tuple[bytes, int]]:
    """The rows of a batch as INSERT statements of some hundred rows each."""
    assert batch.starts is not None and batch.ends is not None  # literals always come with offsets
    bounds = list(zip((batch.starts[:, 0] - 1).tolist(), (batch.ends[:, -1] + 1).tolist(), strict=True))
    for first in range(0, len(bounds), ROWS_AT_ONCE):
        part = bounds[first : first + ROWS_AT_ONCE]
        yield opening + b",".join(batch.data[begin:end] for begin, end in part), len(part)


def _harmless(entry: Entry, error: psycopg.Error) -> bool:
    """A schema that every new database has; what is about the database itself; settings that other servers know."""
    if entry.kind == "schema" and entry.name.name == "public":
        return error.sqlstate == "42P06"
    return error.sqlstate == "3D000" or (entry.kind == "setting" and error.sqlstate == "42704")


def _place(entry: Entry) -> Place:
    about = entry.about or entry.name
    return Place(
        plain_from=entry.plain_from or None, plain_to=entry.plain_to or None, line=entry.line or None,
        database=entry.name.database, schema=about.schema, table=entry.about.name if entry.about else None,
    )  # fmt: skip

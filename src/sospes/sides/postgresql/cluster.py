"""Reads all databases of a live PostgreSQL server, each in a snapshot of its own.

Sources: PostgreSQL documentation, "pg_database", "System Information Functions".
"""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import ExitStack
from dataclasses import replace

import psycopg

from sospes.model.accounts import AccountKey, Accounts
from sospes.model.entries import Engine
from sospes.model.errors import CannotCheck, UsageError
from sospes.model.events import Batch
from sospes.model.objects import DatabaseObject, ObjectKey
from sospes.rows.decoding import Row
from sospes.sides.postgresql.live import LivePostgresql, connected, one_line
from sospes.sides.servers.address import Address
from sospes.sides.servers.live import LiveTable

_FIRST = ("postgres", "template1")
"""Databases that every server has, if nobody took them away."""

_DATABASES = """
SELECT datname FROM pg_database
WHERE datallowconn AND NOT datistemplate AND has_database_privilege(oid, 'CONNECT') ORDER BY 1
"""


class LiveCluster:
    """All databases that the user may connect to. `version` is the server's."""

    engine = Engine.POSTGRESQL

    def __init__(self, address: Address, timeout_seconds: int) -> None:
        self._address = address
        self._stack = ExitStack()
        self._databases: dict[str, LivePostgresql] = {}
        try:
            for name in names_of_databases(address):
                database = LivePostgresql(replace(address, database=name), timeout_seconds)
                self._stack.callback(database.close)
                self._databases[name] = database
        except BaseException:
            self._stack.close()
            raise
        self.version = next(iter(self._databases.values())).version if self._databases else ""

    def tables(self) -> list[LiveTable]:
        """All tables of users, database by database."""
        return [
            replace(table, name=replace(table.name, database=name))
            for name, database in self._databases.items()
            for table in database.tables()
        ]

    def rows(self, table: LiveTable) -> Iterator[list[Row]]:
        """All rows of a table, some thousands at a time."""
        return self._of(table).rows(table)

    def batches(self, table: LiveTable) -> Iterator[Batch]:
        """The same rows as COPY text."""
        return self._of(table).batches(table)

    def _of(self, table: LiveTable) -> LivePostgresql:
        return self._databases[str(table.name.database)]

    def value(self, query: str) -> str:
        """Nothing: a query is one of a database. Raises UsageError."""
        raise UsageError(f"{self._address.label} names no database, and {query} is a query of one", "name the database")

    def objects(self, *, every: bool) -> dict[ObjectKey, DatabaseObject]:
        """Nothing: objects are compared database by database."""
        return {}

    def accounts(self) -> Accounts | None:
        """Who may do what on the server, and what new things in its databases are given to others."""
        found: dict[AccountKey, frozenset[str]] = {}
        for name, database in self._databases.items():
            if not found:  # every database knows the accounts of the whole server
                found |= database.accounts()
            found |= database.default_rights(name)
        return found

    def is_side_copy(self) -> bool:
        """A whole server is none."""
        return False

    def unseen(self) -> frozenset[str]:
        """Nothing: everybody may read the catalog."""
        return frozenset()

    def close(self) -> None:
        """End all snapshots."""
        self._stack.close()


def names_of_databases(address: Address) -> list[str]:
    """The databases of the server. Raises CannotCheck where it can't be reached by any that all servers have."""
    for number, first in enumerate(_FIRST, 1):
        try:
            with connected(replace(address, database=first)) as connection:
                return [str(row[0]) for row in connection.execute(_DATABASES).fetchall()]
        except CannotCheck:
            if number == len(_FIRST):
                raise
        except psycopg.Error as error:
            raise CannotCheck(
                f"{address.label}: its databases can't be listed: {one_line(error)}", "name one in the address"
            ) from error
    return []

"""Puts tables into a live PostgreSQL database: all in one transaction, on one connection."""

from __future__ import annotations

import time
from collections.abc import Iterator, Mapping

import psycopg
from psycopg import sql

from sospes.engines.postgresql.way_back import PostgresqlWayBack
from sospes.engines.way_back import Rows, Step
from sospes.model.entries import Name
from sospes.sides.postgresql.live import connected, one_line
from sospes.sides.servers.address import Address
from sospes.sides.servers.landing import Pace
from sospes.sides.servers.telling import AGAIN, taken_back

_NOT_FOLLOWED = "23503"
_THERE = "SELECT to_regclass(format('%%I.%%I', %s::text, %s::text)) IS NOT NULL"


class PostgresqlLanding:
    """One transaction: what fails takes all back, and an end of this program does, too."""

    def __init__(self, address: Address, pace: Pace) -> None:
        self._address = address
        self._pace = pace
        self._unfollowed: list[str] = []
        self._session = connected(address)
        self._session.execute("BEGIN")
        for setting in PostgresqlWayBack.settings:
            self._session.execute(setting)
        self._session.execute(f"SET LOCAL max_parallel_maintenance_workers = {pace.workers}".encode())

    def aside(self, table: Name) -> str:
        """Its own: nobody sees it before the transaction ends."""
        return table.name

    def rows_of(self, table: Name) -> int | None:
        """Count a table's rows, without those of tables that inherit from it."""
        schema = table.schema or "public"
        there = self._session.execute(_THERE, (schema, table.name)).fetchone()
        if there != (True,):
            return None
        label = sql.Identifier(schema, table.name)
        row = self._session.execute(sql.SQL("SELECT count(*) FROM ONLY {}").format(label)).fetchone()
        return int(row[0]) if row else None

    def define(self, step: Step) -> str:
        """Run one statement; two in one text are refused by the server."""
        try:
            if not (step.optional or step.refers):
                self._session.execute(step.statement, binary=True)
                return ""
            return self._tried(step)
        except psycopg.Error as error:
            raise self._refused(step, error) from error

    def _tried(self, step: Step) -> str:
        """Run what may be left out, or may not be followed by rows that are there."""
        self._session.execute("SAVEPOINT sospes_step")
        try:
            self._session.execute(step.statement, binary=True)
        except psycopg.Error as error:
            self._session.execute("ROLLBACK TO SAVEPOINT sospes_step")
            if step.refers and error.sqlstate == _NOT_FOLLOWED:
                self._session.execute(step.statement + b" NOT VALID", binary=True)
                self._unfollowed.append(f"{step.label}: {one_line(error)[:300]}")
            elif step.optional:
                return one_line(error)
            else:
                raise
        self._session.execute("RELEASE SAVEPOINT sospes_step")
        return ""

    def fill(self, step: Step, rows: Rows) -> Iterator[int]:
        """Rows by COPY, with pauses as long as the work where that is asked for."""
        try:
            with self._session.cursor().copy(step.statement) as copy:
                for stretch in step.rows or ():
                    begin = time.monotonic()
                    copy.write(rows(stretch))
                    if self._pace.gentle:
                        time.sleep(time.monotonic() - begin)
                    yield stretch.rows
        except psycopg.Error as error:
            raise self._refused(step, error) from error

    def orphans(self) -> list[str]:
        """References that were made for rows to come only."""
        return self._unfollowed

    def adjusted(self) -> Mapping[str, str]:
        """None: a value that a column can't hold is refused here."""
        return {}

    def settle(self, names: Mapping[Name, str]) -> None:
        """All have their names."""

    def keep(self) -> None:
        """Commit."""
        try:
            self._session.execute("COMMIT")
        except psycopg.Error as error:
            raise taken_back(self._address, one_line(error), AGAIN) from error
        self._session.close()

    def abandon(self) -> None:
        """Close the connection: the server takes all back."""
        self._session.close()

    def _refused(self, step: Step, error: psycopg.Error) -> Exception:
        self._session.close()
        return taken_back(self._address, f"{step.label}: {one_line(error)[:400]}", AGAIN)

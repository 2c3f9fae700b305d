"""Runs guarded statements on a live PostgreSQL database."""

from __future__ import annotations

import psycopg

from sospes.engines.postgresql.dialect import STATEMENTS
from sospes.engines.statements import Work
from sospes.sides.postgresql.live import connected, one_line
from sospes.sides.servers.address import Address
from sospes.sides.servers.telling import not_as_seen, taken_back


def apply(address: Address, work: Work) -> None:
    """Run all statements in one transaction.

    Raises CannotCheck, with nothing changed, at the first that fails or touches another number of rows than one.
    """
    with connected(address) as connection:
        try:
            connection.execute("BEGIN")
            for setting in STATEMENTS.settings:
                connection.execute(setting)
            for definition in work.before:
                connection.execute(definition)
            for one, done in work.counted():
                touched = connection.execute(one.statement).rowcount
                if one.rows is not None and touched != one.rows:
                    raise not_as_seen(address, done, one.rows)
            for definition in STATEMENTS.behind(work):
                connection.execute(definition)
            connection.execute("COMMIT")
        except psycopg.Error as error:
            raise taken_back(address, one_line(error)) from error

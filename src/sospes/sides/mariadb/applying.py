"""Runs guarded statements on a live MariaDB or MySQL database."""

from __future__ import annotations

import pymysql

from sospes.engines.statements import Work
from sospes.sides.mariadb.live import connected, one_line
from sospes.sides.servers.address import Address
from sospes.sides.servers.telling import not_as_seen, taken_back


def apply(address: Address, work: Work) -> None:
    """Run all statements in one transaction; definitions, which end one by themselves, before and behind it.

    Raises CannotCheck, with no row changed, at the first that fails or touches another number of rows than one.
    """
    connection = connected(address)
    try:
        with connection.cursor() as cursor:
            cursor.execute("SET time_zone = '+00:00', sql_mode = 'STRICT_TRANS_TABLES'")
            for definition in work.before:
                cursor.execute(definition)
            cursor.execute("START TRANSACTION")
            for one, done in work.counted():
                touched = cursor.execute(one.statement)
                if one.rows is not None and touched != one.rows:
                    raise not_as_seen(address, done, one.rows)
            cursor.execute("COMMIT")
            for definition in work.behind:
                cursor.execute(definition)
    except pymysql.Error as error:
        raise taken_back(address, one_line(error)) from error
    finally:
        connection.close()  # what was not committed is taken back

"""The relations of a live cluster by the numbers that its log has."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

import psycopg

from sospes.model.errors import CannotCheck, UsageError
from sospes.model.retracing import NumberedRelation
from sospes.sides.postgresql.cluster import names_of_databases
from sospes.sides.postgresql.live import connected, one_line
from sospes.sides.servers.address import Address

_SYSTEM = "SELECT system_identifier FROM pg_catalog.pg_control_system()"
_RELATIONS = """
SELECT d.oid, d.datname, c.oid, pg_catalog.pg_relation_filenode(c.oid), n.oid, n.nspname, c.relname, c.relkind::text,
c.relpersistence = 'p'
FROM pg_catalog.pg_class c JOIN pg_catalog.pg_namespace n ON n.oid = c.relnamespace, pg_catalog.pg_database d
WHERE d.datname = pg_catalog.current_database()
"""


def numbered_relations(address: Address, system: int) -> list[NumberedRelation]:
    """All relations of a live database, or of all of its server where the address names none.

    Raises CannotCheck where the server can't be reached or refuses, UsageError where it is not the cluster `system`.
    """
    try:
        return _relations(address, system)
    except psycopg.Error as error:
        raise CannotCheck(f"{address.label}: {one_line(error)}", "check the user's rights") from error


def _relations(address: Address, system: int) -> list[NumberedRelation]:
    with connected(address, address.database or "postgres") as session:
        own = int(_one(session, _SYSTEM))
        if own != system:
            raise UsageError(
                f"{address.label} is another cluster, with the system identifier {own}; the logs are of {system}",
                "name a database of the cluster that wrote these logs",
            )
    names = [address.database] if address.database else names_of_databases(address)
    found: list[NumberedRelation] = []
    for name in names:
        with connected(replace(address, database=name)) as session:
            found += [
                NumberedRelation(
                    database=database, database_name=called, oid=oid, file=file or oid, schema=schema,
                    schema_name=within, name=table, kind=kind, lasting=lasting,
                )
                for database, called, oid, file, schema, within, table, kind, lasting in session.execute(_RELATIONS)
            ]  # fmt: skip
    return found


def _one(session: psycopg.Connection[Any], query: str) -> str:
    row = session.execute(query.encode()).fetchone()
    assert row is not None
    return str(row[0])

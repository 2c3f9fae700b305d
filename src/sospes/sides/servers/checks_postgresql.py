"""Consistency of a restored PostgreSQL database, by the engine itself.

Source: PostgreSQL documentation, "System Catalogs": pg_class, pg_constraint, pg_index, pg_sequence.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from typing import Any

import psycopg
from psycopg import sql

from sospes.model.entries import Name
from sospes.model.findings import Finding, Place, fault, note
from sospes.sides.servers.live_postgresql import one_line, stop_if_outside

_OWN = "n.nspname NOT LIKE 'pg\\_%' AND n.nspname <> 'information_schema'"
_INDEXES = f"""
SELECT n.nspname, t.relname, c.relname, i.indisvalid AND i.indisready, am.amname = 'btree' AND i.indpred IS NULL
FROM pg_index i JOIN pg_class c ON c.oid = i.indexrelid JOIN pg_class t ON t.oid = i.indrelid
JOIN pg_namespace n ON n.oid = t.relnamespace JOIN pg_am am ON am.oid = c.relam
WHERE {_OWN} AND t.relkind IN ('r', 'm') ORDER BY 1, 2, 3
"""
_CONSTRAINTS = f"""
SELECT n.nspname, t.relname, k.conname FROM pg_constraint k JOIN pg_class t ON t.oid = k.conrelid
JOIN pg_namespace n ON n.oid = t.relnamespace WHERE NOT k.convalidated AND {_OWN} ORDER BY 1, 2, 3
"""
_VIEWS = f"""
SELECT n.nspname, c.relname FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
WHERE c.relkind IN ('v', 'm') AND {_OWN} ORDER BY 1, 2
"""
_SEQUENCES = f"""
SELECT n.nspname, s.relname, tn.nspname, t.relname, a.attname, q.seqincrement > 0
FROM pg_class s JOIN pg_namespace n ON n.oid = s.relnamespace JOIN pg_sequence q ON q.seqrelid = s.oid
JOIN pg_depend d ON d.objid = s.oid AND d.deptype IN ('a', 'i') AND d.refobjsubid > 0
JOIN pg_class t ON t.oid = d.refobjid JOIN pg_namespace tn ON tn.oid = t.relnamespace
JOIN pg_attribute a ON a.attrelid = t.oid AND a.attnum = d.refobjsubid WHERE {_OWN}
"""


def check_database(connection: psycopg.Connection[Any], rows: Mapping[Name, int]) -> Iterator[Finding]:
    """Row counts, constraints, indexes against their tables, views, sequences. `rows` are those of the backup."""
    connection.execute("SET statement_timeout = '600s'")
    yield from _counts(connection, rows)
    for schema, table, name in connection.execute(_CONSTRAINTS.encode()).fetchall():
        yield note(
            "constraint-unvalidated",
            f"{schema}.{table}: the constraint {name} is there and marked as never validated, as in the backup",
            "",
            Place(schema=schema, table=table),
        )
    yield from _indexes(connection)
    yield from _views(connection)
    yield from _sequences(connection)


def _counts(connection: psycopg.Connection[Any], rows: Mapping[Name, int]) -> Iterator[Finding]:
    for name, expected in rows.items():
        table = sql.Identifier(str(name.schema), name.name)
        try:
            found = _number(connection, sql.SQL("SELECT count(*) FROM ONLY {}").format(table))
            inherited = _number(connection, sql.SQL("SELECT count(*) FROM {}").format(table))
        except psycopg.Error as error:
            yield _unusable("table", name.label, error)
            continue
        if expected not in {found, inherited}:
            yield fault(
                "rows-miscounted",
                f"{name.label}: the backup has {expected:,} rows, the side copy {found:,}",
                "find out what refused or added rows: a rule, a trigger, a failed statement",
                Place(database=name.database, schema=name.schema, table=name.name),
            )


def _number(connection: psycopg.Connection[Any], query: sql.Composed) -> int:
    row = connection.execute(query).fetchone()
    return int(row[0]) if row else 0


def _indexes(connection: psycopg.Connection[Any]) -> Iterator[Finding]:
    """Each index counts as many rows as its table does without it."""
    counted: dict[tuple[str, str], int] = {}
    for schema, table, name, valid, countable in connection.execute(_INDEXES.encode()).fetchall():
        place = Place(schema=schema, table=table)
        if not valid:
            yield fault("index-invalid", f"{schema}.{table}: the index {name} is invalid", "build it anew", place)
            continue
        if not countable:
            continue
        query = sql.SQL("SELECT count(*) FROM ONLY {}").format(sql.Identifier(schema, table))
        if (schema, table) not in counted:
            with connection.transaction():
                connection.execute("SET LOCAL enable_indexscan = off; SET LOCAL enable_indexonlyscan = off")
                connection.execute("SET LOCAL enable_bitmapscan = off")
                counted[schema, table] = _number(connection, query)
        with connection.transaction():
            connection.execute("SET LOCAL enable_seqscan = off; SET LOCAL enable_bitmapscan = off")
            by_index = _number(connection, query)
        if by_index != counted[schema, table]:
            yield fault(
                "index-disagrees",
                f"{schema}.{table}: {counted[schema, table]:,} rows, but {by_index:,} by the index {name}",
                "check this machine's disk and memory, then run this again",
                place,
            )


def _views(connection: psycopg.Connection[Any]) -> Iterator[Finding]:
    for schema, name in connection.execute(_VIEWS.encode()).fetchall():
        try:
            with connection.transaction():
                connection.execute(sql.SQL("SELECT * FROM {} LIMIT 1").format(sql.Identifier(schema, name)))
        except psycopg.Error as error:
            if error.sqlstate != "55000":  # a materialized view that is to be filled later
                yield _unusable("view", f"{schema}.{name}", error)


def _sequences(connection: psycopg.Connection[Any]) -> Iterator[Finding]:
    """What a sequence gives next must not be in its column yet."""
    for schema, name, table_schema, table, column, rising in connection.execute(_SEQUENCES.encode()).fetchall():
        if not rising:
            continue
        query = sql.SQL("SELECT s.last_value, s.is_called, (SELECT max({}) FROM {}) FROM {} s").format(
            sql.Identifier(column), sql.Identifier(table_schema, table), sql.Identifier(schema, name)
        )
        try:
            row = connection.execute(query).fetchone()
        except psycopg.Error as error:
            yield _unusable("sequence", f"{schema}.{name}", error)
            continue
        last, called, highest = row if row else (0, True, None)
        if highest is not None and (last < highest or (last == highest and not called)):
            yield fault(
                "sequence-behind",
                f"{schema}.{name} stands at {last:,}, and {table_schema}.{table}.{column} goes up to {highest:,}",
                "the next rows would collide: set the sequence ahead after a restore",
                Place(schema=table_schema, table=table),
            )


def _unusable(kind: str, label: str, error: psycopg.Error) -> Finding:
    stop_if_outside(error)
    return fault(
        f"{kind}-unusable",
        f"the {kind} {label} can't be used: {one_line(error)[:300]}",
        "something that it needs is missing or was refused",
    )

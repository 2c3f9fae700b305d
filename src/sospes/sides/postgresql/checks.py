"""Consistency of a restored PostgreSQL database, by the engine itself.

Source: PostgreSQL documentation, "System Catalogs": pg_class, pg_constraint, pg_index, pg_sequence.
"""

from __future__ import annotations

import json
from collections.abc import Iterator, Mapping
from typing import Any

import psycopg
from psycopg import sql

from sospes.model.entries import Name
from sospes.model.findings import Finding, Place, fault, note
from sospes.sides.postgresql.live import one_line, stop_if_outside

_OWN = "n.nspname NOT LIKE 'pg\\_%' AND n.nspname <> 'information_schema'"
_FREE = "NOT EXISTS (SELECT FROM pg_depend e WHERE e.objid = {}.oid AND e.deptype = 'e')"
"""Not a part of an extension, which the restorer has no rights to."""

_INDEXES = f"""
SELECT n.nspname, t.relname, c.relname, i.indisvalid AND i.indisready,
  CASE WHEN am.amname = 'btree' AND i.indpred IS NULL THEN (
    SELECT string_agg(pg_get_indexdef(c.oid, k, true)
      || CASE WHEN i.indoption[k - 1] & 1 = 1 THEN ' DESC' ELSE '' END
      || CASE WHEN i.indoption[k - 1] & 2 = 2 THEN ' NULLS FIRST' ELSE ' NULLS LAST' END, ', ' ORDER BY k)
    FROM generate_series(1, i.indnkeyatts) k) END
FROM pg_index i JOIN pg_class c ON c.oid = i.indexrelid JOIN pg_class t ON t.oid = i.indrelid
JOIN pg_namespace n ON n.oid = t.relnamespace JOIN pg_am am ON am.oid = c.relam
WHERE {_OWN} AND t.relkind IN ('r', 'm') AND t.relispopulated AND {_FREE.format("t")} ORDER BY 1, 2, 3
"""
_CONSTRAINTS = f"""
SELECT n.nspname, t.relname, k.conname FROM pg_constraint k JOIN pg_class t ON t.oid = k.conrelid
JOIN pg_namespace n ON n.oid = t.relnamespace WHERE NOT k.convalidated AND {_OWN} ORDER BY 1, 2, 3
"""
_VIEWS = f"""
SELECT n.nspname, c.relname FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
WHERE c.relkind IN ('v', 'm') AND c.relispopulated AND {_OWN} AND {_FREE.format("c")} ORDER BY 1, 2
"""
_ROUTINES = f"""
SELECT n.nspname, p.proname, v.proname, p.oid FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace
JOIN pg_language l ON l.oid = p.prolang JOIN pg_proc v ON v.oid = l.lanvalidator
WHERE {_OWN} AND l.lanname IN ('sql', 'plpgsql')
AND NOT EXISTS (SELECT FROM pg_depend d WHERE d.objid = p.oid AND d.deptype = 'e') ORDER BY 1, 2
"""
_SEQUENCES = f"""
SELECT n.nspname, s.relname, tn.nspname, t.relname, a.attname, q.seqincrement > 0
FROM pg_class s JOIN pg_namespace n ON n.oid = s.relnamespace JOIN pg_sequence q ON q.seqrelid = s.oid
JOIN pg_depend d ON d.objid = s.oid AND d.deptype IN ('a', 'i') AND d.refobjsubid > 0
JOIN pg_class t ON t.oid = d.refobjid JOIN pg_namespace tn ON tn.oid = t.relnamespace
JOIN pg_attribute a ON a.attrelid = t.oid AND a.attnum = d.refobjsubid WHERE {_OWN}
"""


_FORCED = """
SELECT n.nspname, c.relname FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
WHERE c.relforcerowsecurity AND c.relrowsecurity AND pg_get_userbyid(c.relowner) = current_user
"""


def check_database(connection: psycopg.Connection[Any], rows: Mapping[Name, int]) -> Iterator[Finding]:
    """Row counts, constraints, indexes, views, routines, sequences. `rows` are those of the backup."""
    connection.prepare_threshold = None  # a plan that was kept would go by the index that an earlier check wanted
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
    yield from _routines(connection)
    yield from _sequences(connection)


def _counts(connection: psycopg.Connection[Any], rows: Mapping[Name, int]) -> Iterator[Finding]:
    forced = {(str(schema), str(name)) for schema, name in connection.execute(_FORCED).fetchall()}
    for name, expected in rows.items():
        table = sql.Identifier(str(name.schema), name.name)
        try:
            # Policies that are forced upon the owner hide rows from the restorer: they are let go of for the count.
            with connection.transaction(force_rollback=True):
                if (str(name.schema), name.name) in forced:
                    connection.execute(sql.SQL("ALTER TABLE {} NO FORCE ROW LEVEL SECURITY").format(table))
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
    """Each B-tree over all rows counts as many as its table does without it."""
    counted: dict[tuple[str, str], int] = {}
    for schema, table, name, valid, order in connection.execute(_INDEXES.encode()).fetchall():
        place = Place(schema=schema, table=table)
        if not valid:
            yield fault("index-invalid", f"{schema}.{table}: the index {name} is invalid", "build it anew", place)
            continue
        if order is None:
            continue
        label = sql.Identifier(schema, table)
        query = sql.SQL("SELECT count(*) FROM ONLY {}").format(label)
        if (schema, table) not in counted:
            with connection.transaction():
                connection.execute("SET LOCAL enable_indexscan = off; SET LOCAL enable_indexonlyscan = off")
                connection.execute("SET LOCAL enable_bitmapscan = off")
                # Counted once by the table itself, with no index in the way.
                counted[schema, table] = _number(connection, query)
        in_order = sql.SQL("SELECT count(*) FROM (SELECT FROM ONLY {} ORDER BY {} OFFSET 0) o").format(
            label, sql.SQL(order)
        )
        with connection.transaction():
            connection.execute("SET LOCAL enable_seqscan = off; SET LOCAL enable_bitmapscan = off")
            connection.execute("SET LOCAL enable_sort = off; SET LOCAL max_parallel_workers_per_gather = 0")
            chosen = next((one for one in (query, in_order) if _goes_by(connection, one, name)), None)
            if chosen is None:
                # Two indexes over the same columns: the server chooses one, and can't be told to take the other.
                continue  # another index gives the same order, and is counted
            by_index = _number(connection, chosen)
        if by_index != counted[schema, table]:
            yield fault(
                "index-disagrees",
                f"{schema}.{table}: {counted[schema, table]:,} rows, but {by_index:,} by the index {name}",
                "check this machine's disk and memory, then run this again",
                place,
            )


def _goes_by(connection: psycopg.Connection[Any], query: sql.Composed, index: str) -> bool:
    """Whether the server would read this very index for it."""
    row = connection.execute(sql.SQL("EXPLAIN (FORMAT JSON) ") + query).fetchone()
    return row is not None and f'"Index Name": {json.dumps(index)}' in json.dumps(row[0], ensure_ascii=True)


def _views(connection: psycopg.Connection[Any]) -> Iterator[Finding]:
    for schema, name in connection.execute(_VIEWS.encode()).fetchall():
        try:
            with connection.transaction():
                connection.execute(sql.SQL("SELECT * FROM {} LIMIT 1").format(sql.Identifier(schema, name)))
        except psycopg.Error as error:
            stop_if_outside(error)
            yield note(
                "view-unusable",
                f"the view {schema}.{name} can't be read: {one_line(error)[:300]}",
                "it was made without an error, so it may be so on the server that the backup is from: try it there",
            )


def _routines(connection: psycopg.Connection[Any]) -> Iterator[Finding]:
    """Dumps have bodies stored unread, so the languages look at them now, with all schemas in sight."""
    schemas = connection.execute(f"SELECT quote_ident(n.nspname) FROM pg_namespace n WHERE {_OWN}".encode()).fetchall()
    path = ", ".join(name for (name,) in schemas) or "public"
    for schema, name, validator, oid in connection.execute(_ROUTINES.encode()).fetchall():
        try:
            with connection.transaction():
                connection.execute(f"SET LOCAL search_path = {path}".encode())
                connection.execute(
                    sql.SQL("SELECT {}(%s::oid)").format(sql.Identifier("pg_catalog", validator)), (oid,)
                )
        except psycopg.Error as error:
            stop_if_outside(error)
            broken = error.sqlstate == "42601"
            yield note(
                "routine-unusable" if broken else "routine-doubtful",
                f"the routine {schema}.{name} {'does not parse' if broken else 'would fail'}: {one_line(error)[:300]}",
                "dumps store routines unread, so it may be so on the server that the backup is from: try it there",
            )


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
            yield note(
                "sequence-behind",
                f"{schema}.{name} stands at {last:,}, and {table_schema}.{table}.{column} goes up to {highest:,}",
                "the source may have it so: if the next rows would collide, set the sequence ahead after a restore",
                Place(schema=table_schema, table=table),
            )


def _unusable(kind: str, label: str, error: psycopg.Error) -> Finding:
    stop_if_outside(error)
    return fault(
        f"{kind}-unusable",
        f"the {kind} {label} can't be used: {one_line(error)[:300]}",
        "something that it needs is missing or was refused",
    )

"""Consistency of restored MariaDB databases, by the engine itself.

Source: MariaDB Knowledge Base, "CHECK TABLE", "Information Schema KEY_COLUMN_USAGE Table".
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from typing import Any

import pymysql

from sospes.model.entries import Name
from sospes.model.errors import CannotCheck
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.sides.mariadb.live import one_line
from sospes.sql.quoting import back_quoted

_NO_TABLE = 1146
_VIEWS = "SELECT TABLE_SCHEMA, TABLE_NAME FROM information_schema.TABLES WHERE TABLE_TYPE = 'VIEW'"
_REFERENCES = """
SELECT TABLE_SCHEMA, TABLE_NAME, CONSTRAINT_NAME, COLUMN_NAME,
  REFERENCED_TABLE_SCHEMA, REFERENCED_TABLE_NAME, REFERENCED_COLUMN_NAME
FROM information_schema.KEY_COLUMN_USAGE WHERE REFERENCED_TABLE_NAME IS NOT NULL
ORDER BY TABLE_SCHEMA, TABLE_NAME, CONSTRAINT_NAME, ORDINAL_POSITION
"""


def check_databases(
    session: pymysql.Connection[Any], made: Mapping[str | None, str], rows: Mapping[Name, int]
) -> Iterator[Finding]:
    """CHECK TABLE on every table, counts, references, views that can be read.

    made  the names on the server of the backup's databases
    rows  how many rows of each table the backup has
    """
    try:
        for table, expected in rows.items():
            yield from check_table(session, made[table.database], table, expected)
        yield from _check_references(session, {name: database for database, name in made.items()})
        with session.cursor() as cursor:
            cursor.execute(_VIEWS)
            own = set(made.values())
            views = [(database, view) for database, view in cursor.fetchall() if database in own]
        for database, view in views:
            yield from _check_view(session, f"{back_quoted(database)}.{back_quoted(view)}", f"{database}.{view}")
    except pymysql.Error as error:
        raise CannotCheck(f"the server stopped answering: {one_line(error)}", "run this again") from error


def check_table(session: pymysql.Connection[Any], database: str, table: Name, expected: int) -> Iterator[Finding]:
    """Rows of a table, of which so many are expected, and what the engine's own check says of it."""
    label = f"{back_quoted(database)}.{back_quoted(table.name)}"
    place = Place(database=table.database, table=table.name)
    with session.cursor() as cursor:
        try:
            cursor.execute(f"SELECT COUNT(*) FROM {label}")
            found = int((cursor.fetchone() or ("0",))[0])
            if found != expected and _is_versioned(cursor, database, table.name):
                cursor.execute(f"SELECT COUNT(*) FROM {label} FOR SYSTEM_TIME ALL")  # dumped with its history
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


def replaced_engines(
    session: pymysql.Connection[Any], made: Mapping[str | None, str], stated: Mapping[Name, str]
) -> Iterator[tuple[Name, str, str]]:
    """Tables that the server made with another storage engine than was stated, which it does without a word: both."""
    with session.cursor() as cursor:
        for table, wanted in stated.items():
            if table.database not in made:
                continue
            cursor.execute(
                "SELECT ENGINE FROM information_schema.TABLES WHERE TABLE_SCHEMA = %s AND TABLE_NAME = %s "
                "AND TABLE_TYPE <> 'VIEW'",
                (made.get(table.database), table.name),
            )
            row = cursor.fetchone()
            if row and row[0] and str(row[0]).casefold() != wanted.casefold():
                yield table, wanted, str(row[0])


def _is_versioned(cursor: pymysql.cursors.Cursor, database: str, table: str) -> bool:
    cursor.execute(
        "SELECT COUNT(*) FROM information_schema.TABLES WHERE TABLE_SCHEMA = %s AND TABLE_NAME = %s "
        "AND TABLE_TYPE = 'SYSTEM VERSIONED'",
        (database, table),
    )
    return bool((cursor.fetchone() or (0,))[0])


def _check_references(session: pymysql.Connection[Any], databases: Mapping[str, str | None]) -> Iterator[Finding]:
    """Dumps switch references off while they load, so the engine has not looked at them."""
    found: dict[tuple[str, str, str], list[tuple[str, str, str, str]]] = {}
    with session.cursor() as cursor:
        cursor.execute(_REFERENCES)
        for schema, table, name, *rest in cursor.fetchall():
            if schema in databases:
                found.setdefault((schema, table, name), []).append(tuple(rest))
        for (schema, table, name), columns in found.items():
            parent = f"{back_quoted(columns[0][1])}.{back_quoted(columns[0][2])}"
            joined = " AND ".join(f"c.{back_quoted(mine)} = p.{back_quoted(theirs)}" for mine, _, _, theirs in columns)
            present = " AND ".join(f"c.{back_quoted(mine)} IS NOT NULL" for mine, *_ in columns)
            query = (
                f"SELECT COUNT(*) FROM {back_quoted(schema)}.{back_quoted(table)} c LEFT JOIN {parent} p ON {joined} "
                f"WHERE p.{back_quoted(columns[0][3])} IS NULL AND {present}"
            )
            try:
                cursor.execute(query)
            except pymysql.Error as error:
                if error.args and error.args[0] == _NO_TABLE:
                    continue  # a backup of some tables: that it lacks this one is told of
                raise
            count = int((cursor.fetchone() or (0,))[0])
            if count:
                parents = columns[0][2]
                yield doubt(
                    "reference-broken",
                    f"{table}: {'1 row points' if count == 1 else f'{count:,} rows point'} to rows of {parents} that "
                    f"aren't there, by {name}",
                    f"rows of {parents} are missing, a key is damaged, or the source has such rows, too: compare both "
                    "with live",
                    Place(database=databases[schema], table=table),
                )


def _check_view(session: pymysql.Connection[Any], name: str, label: str) -> Iterator[Finding]:
    with session.cursor() as cursor:
        try:
            cursor.execute(f"SELECT * FROM {name} LIMIT 1")
            cursor.fetchall()
        except pymysql.Error as error:
            yield note(
                "view-unusable",
                f"the view {label} can't be read: {one_line(error)[:300]}",
                "it was made without an error, so it may be so on the server that the backup is from: try it there",
            )

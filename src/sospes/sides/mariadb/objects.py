"""The objects of a MariaDB or MySQL database, as its dumps define them.

Source: MariaDB Knowledge Base, "Information Schema Tables".
"""

from __future__ import annotations

from typing import Any

import pymysql
import pymysql.cursors

from sospes.engines.mariadb.objects import BODIES, body_worded, type_worded, view_queries
from sospes.model.objects import DatabaseObject, ObjectKey, plain
from sospes.sides.servers.marks import MARK_TABLE
from sospes.sql.quoting import back_quoted

_IN = "WHERE TABLE_SCHEMA = %(schema)s"
_SAME = "BINARY c.TABLE_NAME = BINARY t.TABLE_NAME"
"""The catalog's own comparisons don't tell names apart that differ in case."""

_QUERIES = (
    f"""SELECT CASE TABLE_TYPE WHEN 'VIEW' THEN 'view' WHEN 'SEQUENCE' THEN 'sequence' ELSE 'table' END,
        TABLE_NAME, '', NULL FROM information_schema.TABLES {_IN}""",
    f"""SELECT 'column', c.COLUMN_NAME, c.TABLE_NAME,
        CONCAT(LOWER(c.COLUMN_TYPE), CASE WHEN c.IS_NULLABLE = 'NO' THEN ' not null' ELSE '' END)
        FROM information_schema.COLUMNS c JOIN information_schema.TABLES t USING (TABLE_SCHEMA, TABLE_NAME) {_IN}
        AND {_SAME} AND t.TABLE_TYPE IN ('BASE TABLE', 'SYSTEM VERSIONED')""",
    f"""SELECT 'index', INDEX_NAME, TABLE_NAME, CONCAT(CASE MIN(NON_UNIQUE) WHEN 0 THEN 'unique ' ELSE '' END, '(',
        GROUP_CONCAT(COLUMN_NAME ORDER BY SEQ_IN_INDEX SEPARATOR ', '), ')')
        FROM information_schema.STATISTICS {_IN} GROUP BY BINARY TABLE_NAME, BINARY INDEX_NAME""",
    """SELECT 'constraint', CONSTRAINT_NAME, TABLE_NAME, REFERENCED_TABLE_NAME
        FROM information_schema.REFERENTIAL_CONSTRAINTS WHERE CONSTRAINT_SCHEMA = %(schema)s""",
    """SELECT LOWER(ROUTINE_TYPE), ROUTINE_NAME, '', ROUTINE_DEFINITION FROM information_schema.ROUTINES
        WHERE ROUTINE_SCHEMA = %(schema)s AND ROUTINE_TYPE IN ('FUNCTION', 'PROCEDURE')""",
    """SELECT 'trigger', TRIGGER_NAME, EVENT_OBJECT_TABLE, ACTION_STATEMENT FROM information_schema.TRIGGERS
        WHERE TRIGGER_SCHEMA = %(schema)s""",
    """SELECT 'event', EVENT_NAME, '', EVENT_DEFINITION FROM information_schema.EVENTS
        WHERE EVENT_SCHEMA = %(schema)s""",
)
_COMMENTS = (
    f"""SELECT 'comment', CONCAT('table ', TABLE_NAME), '', TABLE_COMMENT FROM information_schema.TABLES {_IN}
        AND TABLE_TYPE IN ('BASE TABLE', 'SYSTEM VERSIONED') AND TABLE_COMMENT <> ''""",
    f"""SELECT 'comment', CONCAT('column ', c.TABLE_NAME, '.', c.COLUMN_NAME), '', c.COLUMN_COMMENT
        FROM information_schema.COLUMNS c JOIN information_schema.TABLES t USING (TABLE_SCHEMA, TABLE_NAME) {_IN}
        AND {_SAME} AND t.TABLE_TYPE IN ('BASE TABLE', 'SYSTEM VERSIONED') AND c.COLUMN_COMMENT <> ''""",
)
_CHECKS = """SELECT 'constraint', CONSTRAINT_NAME, TABLE_NAME, NULL FROM information_schema.CHECK_CONSTRAINTS
    WHERE CONSTRAINT_SCHEMA = %(schema)s AND LEVEL = 'Table'"""


def objects_of(session: pymysql.Connection[Any], database: str, *, mariadb: bool) -> dict[ObjectKey, DatabaseObject]:
    """All objects that a dump of the database with routines, events and triggers would define."""
    found: dict[ObjectKey, DatabaseObject] = {}
    with session.cursor() as cursor:
        cursor.execute("SET group_concat_max_len = 1000000")
        for query in (*_QUERIES, *_COMMENTS, *((_CHECKS,) if mariadb else ())):
            cursor.execute(query, {"schema": database})
            for kind, name, about, text in cursor.fetchall():
                if MARK_TABLE not in {name, about}:
                    found[ObjectKey(kind, "", name, about)] = DatabaseObject((_worded(kind, text),) if text else ())
        for key in [key for key in found if key.kind == "view"]:
            found[key] = _view(cursor, key.name, database)
    return found


def _view(cursor: pymysql.cursors.Cursor, name: str, database: str) -> DatabaseObject:
    """A view of the current database with its query; without it where this user may not see it."""
    try:
        cursor.execute(f"SHOW CREATE VIEW {back_quoted(name)}")
    except pymysql.err.OperationalError:
        return DatabaseObject()
    row = cursor.fetchone()
    own = back_quoted(database) + "."
    return DatabaseObject(view_queries(str(row[1]).replace(own, "")) if row else ())


def _worded(kind: str, text: str) -> str:
    if kind == "column":
        return type_worded(text)
    return text if kind == "comment" else body_worded(text) if kind in BODIES else plain(text)

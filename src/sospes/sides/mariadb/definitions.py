"""Triggers, views, routines and events of a MariaDB database, as the server says them, and how they are made again.

Source: MariaDB Knowledge Base, "SHOW CREATE TRIGGER", "SHOW CREATE VIEW", "SHOW CREATE PROCEDURE", "SHOW CREATE EVENT".
"""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Any

import pymysql

from sospes.engines.mariadb.restated import definer_of, switched_off, with_definer
from sospes.sides.mariadb.live import one_line
from sospes.sql.quoting import back_quoted

_NAMES = """
SELECT 'trigger', TRIGGER_NAME, 'YES' FROM information_schema.TRIGGERS WHERE TRIGGER_SCHEMA = %(db)s
UNION ALL SELECT LOWER(ROUTINE_TYPE), ROUTINE_NAME, 'YES' FROM information_schema.ROUTINES
  WHERE ROUTINE_SCHEMA = %(db)s AND ROUTINE_TYPE IN ('FUNCTION', 'PROCEDURE')
UNION ALL SELECT 'view', TABLE_NAME, 'YES' FROM information_schema.VIEWS WHERE TABLE_SCHEMA = %(db)s
UNION ALL SELECT 'event', EVENT_NAME, STATUS FROM information_schema.EVENTS WHERE EVENT_SCHEMA = %(db)s
"""
_WHERE = {  # by kind: the place of the statement, of the SQL mode, of the client's character set and collation
    "trigger": (2, 1, 3, 4), "function": (2, 1, 3, 4), "procedure": (2, 1, 3, 4), "view": (1, None, 2, 3),
    "event": (3, 1, 4, 5),
}  # fmt: skip
_ORDER = ("function", "procedure", "trigger", "view", "event")


@dataclass(frozen=True, slots=True, kw_only=True)
class Definition:
    """One definition, and the settings that it is read by. `enabled` is of events."""

    kind: str
    name: str
    statement: str
    mode: str | None
    characters: str
    collation: str
    enabled: bool = True

    @property
    def definer(self) -> str | None:
        """Who it is run as."""
        found = definer_of(self.statement.encode("utf-8", "surrogateescape"))
        return None if found is None else found.decode("utf-8", "surrogateescape")

    def as_of(self, definer: str | None) -> Definition:
        """The same with another definer; the connection's user where that is None."""
        said = (definer or "DEFINER=CURRENT_USER").encode("utf-8", "surrogateescape")
        raw, _ = with_definer(self.statement.encode("utf-8", "surrogateescape"), said)
        return replace(self, statement=raw.decode("utf-8", "surrogateescape"))

    def asleep(self) -> Definition:
        """The same, an event switched off."""
        if self.kind != "event":
            return self
        raw = switched_off(self.statement.encode("utf-8", "surrogateescape"))
        return replace(self, statement=raw.decode("utf-8", "surrogateescape"))

    def awake(self) -> Definition:
        """The same, an event switched on."""
        woken = re.sub(r"\bDISABLE(?: ON SLAVE)?\b", "ENABLE", self.statement, count=1)
        return replace(self, statement=woken) if self.kind == "event" else self


def definitions_of(session: pymysql.Connection[Any], database: str) -> list[Definition]:
    """All of a database, in an order in which they can be made. Raises pymysql.Error where one can't be seen."""
    with session.cursor() as cursor:
        cursor.execute(f"USE {back_quoted(database)}")
        cursor.execute(_NAMES, {"db": database})
        found = []
        for kind, name, status in cursor.fetchall():
            cursor.execute(f"SHOW CREATE {str(kind).upper()} {back_quoted(str(name))}")
            row = cursor.fetchone() or ()
            text, mode, characters, collation = _WHERE[str(kind)]
            if row[text] is None:
                raise pymysql.err.OperationalError(1370, f"the text of the {kind} {name} is not shown to this user")
            statement = str(row[text])
            if kind == "view":
                statement = statement.replace(back_quoted(database) + ".", "")
            found.append(
                Definition(
                    kind=str(kind), name=str(name), statement=statement,
                    mode=None if mode is None else str(row[mode]), characters=str(row[characters]),
                    collation=str(row[collation]), enabled=str(status) in {"YES", "ENABLED"},
                )
            )  # fmt: skip
    return sorted(found, key=lambda one: _ORDER.index(one.kind))


def take_down(session: pymysql.Connection[Any], database: str, definitions: Sequence[Definition]) -> None:
    """Drop definitions, those that are there."""
    with session.cursor() as cursor:
        for one in reversed(definitions):
            cursor.execute(f"DROP {one.kind.upper()} IF EXISTS {back_quoted(database)}.{back_quoted(one.name)}")


def make(session: pymysql.Connection[Any], database: str, definitions: Sequence[Definition]) -> Iterator[str]:
    """Make definitions, each in the place of one that is there; what the server says against some is yielded.

    Views wait for one another.
    """
    waiting, refused = list(definitions), dict[str, str]()
    while waiting:
        failed = []
        for one in waiting:
            try:
                _make(session, database, one)
            except pymysql.Error as error:
                failed.append(one)
                refused[one.name] = f"{one.kind} {one.name}: {one_line(error)[:200]}"
        if len(failed) == len(waiting):
            yield from (refused[one.name] for one in failed)
            return
        waiting = failed


def _make(session: pymysql.Connection[Any], database: str, one: Definition) -> None:
    with session.cursor() as cursor:
        cursor.execute(f"USE {back_quoted(database)}")
        cursor.execute("SET SESSION character_set_client = utf8mb4, collation_connection = %s", (one.collation,))
        if one.mode is not None:
            cursor.execute("SET SESSION sql_mode = %s", (one.mode,))
        cursor.execute(f"DROP {one.kind.upper()} IF EXISTS {back_quoted(one.name)}")
        cursor.execute(one.statement)

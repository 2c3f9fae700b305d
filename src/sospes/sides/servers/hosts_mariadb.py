"""Where MariaDB side copies are made: a private server of our own, or new databases on a server in use."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import replace
from typing import Any, Protocol, TypeAlias

import pymysql

from sospes.model.entries import Entry
from sospes.model.errors import CannotCheck
from sospes.model.findings import Finding, note
from sospes.sides.servers.address import Address
from sospes.sides.servers.hosts import Host, OnPrivateServer, OnSharedServer, undivided
from sospes.sides.servers.live_mariadb import ME, connected, one_line, quoted
from sospes.sides.servers.marks import MARK_TABLE, Marked, Naming, read_mark
from sospes.sides.servers.needs import Needs, version_shortfall
from sospes.sides.servers.private_mariadb import RESTORER

DATABASE = "sospes_side"
"""The database of a backup that names none."""

Session: TypeAlias = "pymysql.Connection[Any]"
_DEFINER = re.compile(rb"\bDEFINER\s*=\s*(`(?:[^`]|``)*`|'[^']*'|\w+)\s*@\s*(`(?:[^`]|``)*`|'[^']*'|[\w.%]+)", re.I)
_HEAD = 400


_RIGHTS = f"""
SELECT '*', PRIVILEGE_TYPE FROM information_schema.USER_PRIVILEGES WHERE {ME}
UNION ALL SELECT TABLE_SCHEMA, PRIVILEGE_TYPE FROM information_schema.SCHEMA_PRIVILEGES WHERE {ME}
UNION ALL SELECT TABLE_SCHEMA, PRIVILEGE_TYPE FROM information_schema.TABLE_PRIVILEGES WHERE {ME}
"""
_HARMLESS = frozenset({"USAGE", "SELECT", "SHOW VIEW", "SHOW DATABASES", "PROCESS", "REPLICATION CLIENT"})


class MariadbHost(Host, Protocol):
    """The same with what this engine needs."""

    def make(self, database: str | None) -> str:
        """Make a database of the backup, if it isn't made yet; its name on the server."""
        ...

    def prepared(self, entry: Entry) -> bytes:
        """A statement as it is run here."""
        ...

    def restorer(self) -> Session:
        """A connection that restores."""
        ...

    def administrator(self) -> Session:
        """A connection that checks."""
        ...


class PrivateHost(OnPrivateServer):
    """A private server, where databases have their own names."""

    def shortfalls(self, needs: Needs) -> list[str]:
        """Nothing: the version was looked at before the server was started."""
        return []

    def make(self, database: str | None) -> str:
        """The database, under the name that it has in the backup."""
        if database not in self.made:
            name = database or DATABASE
            _run(self.administrator(), f"CREATE DATABASE IF NOT EXISTS {quoted(name)}")
            self.made[database] = name
        return self.made[database]

    def prepared(self, entry: Entry) -> bytes:
        """The statement with the restorer as definer: others do not exist here."""
        return _with_own_definer(entry)[0]

    def restorer(self) -> Session:
        """A connection of the user whose rights end at the databases."""
        return _as_scripts_want(connected(replace(self.server.address(""), user=RESTORER)))

    def administrator(self) -> Session:
        """A connection of the first user."""
        return connected(self.server.address(""))

    def summary(self) -> Iterator[Finding]:
        """Nothing is done otherwise than the backup says."""
        yield from ()


class SharedHost(OnSharedServer):
    """A server in use: new databases with a name and a mark of ours."""

    def __init__(self, address: Address, naming: Naming) -> None:
        super().__init__(replace(address, database=None), naming)
        self._definers = 0

    def shortfalls(self, needs: Needs) -> list[str]:
        """Version, the user's rights, names that are taken."""
        session = self.administrator()
        try:
            with session, session.cursor() as cursor:
                cursor.execute("SELECT VERSION()")
                version = tuple(int(part) for part in re.findall(r"\d+", str((cursor.fetchone() or [""])[0]))[:3])
                found = version_shortfall(version, needs, "the engine's version")
                cursor.execute(_RIGHTS)
                rights = [(str(schema or ""), str(kind)) for schema, kind in cursor.fetchall()]
                cursor.execute("SELECT SCHEMA_NAME FROM information_schema.SCHEMATA")
                taken = {str(row[0]) for row in cursor.fetchall()} & set(self._names(needs))
        except pymysql.Error as error:
            raise CannotCheck(f"{self._address.label}: {one_line(error)}", "check the user's rights") from error
        pattern = self._naming.prefix.replace("_", r"\_") + "%"
        mine = {kind for schema, kind in rights if schema in {pattern, "*"}}
        wide = sorted(
            {
                schema
                for schema, kind in rights
                if schema not in {pattern, "information_schema"} and kind not in _HARMLESS
            }
        )
        if wide and not needs.trusted:
            where = "all databases" if "*" in wide else ", ".join(wide[:5])
            found.append(
                f"the user may change {where}, so what the backup runs could reach outside of the side copy: use one "
                f"with GRANT ALL ON `{pattern}`.* only, or say --trust-backup"
            )
        if not {"CREATE", "INSERT", "DROP"} <= mine:
            found.append(f"the user may not make such databases: GRANT ALL ON `{pattern}`.* TO the user")
        return found + [f"the database {name} is there already" for name in sorted(taken)]

    def make(self, database: str | None) -> str:
        """A new database, marked before anything goes into it."""
        if database not in self.made:
            name = self._naming.name(database)
            session = self.administrator()
            try:
                with undivided(), session.cursor() as cursor:
                    cursor.execute(f"CREATE DATABASE {quoted(name)}")
                    self.made[database] = name
                    table = f"{quoted(name)}.{quoted(MARK_TABLE)}"
                    cursor.execute(f"CREATE TABLE {table} (mark VARCHAR(1000) CHARACTER SET utf8mb4)")
                    mark = self._naming.mark(name, "", self._address.state)
                    cursor.execute(f"INSERT INTO {table} VALUES (%s)", (mark,))
            except pymysql.Error as error:
                raise CannotCheck(f"{self._address.label}: {one_line(error)}", "nothing was restored") from error
            finally:
                session.close()
        return self.made[database]

    def prepared(self, entry: Entry) -> bytes:
        """The statement with this connection's user as definer: others may not exist here, or may do more."""
        statement, count = _with_own_definer(entry)
        self._definers += count
        return statement

    def restorer(self) -> Session:
        """A connection as the user of the address."""
        return _as_scripts_want(connected(self._address))

    def administrator(self) -> Session:
        """The same: there is only one user."""
        return connected(self._address)

    def summary(self) -> Iterator[Finding]:
        """Definers that were replaced."""
        if self._definers:
            yield note(
                "definers-left-out",
                f"{self._definers:,} views and routines run as this connection's user instead of their definers",
                "to rehearse definers as well, use --side private",
            )

    def remove(self) -> None:
        """Drop what was made, whatever it says of itself now."""
        for name in self.made.values():
            _drop(self._address, name)


def _as_scripts_want(session: Session) -> Session:
    """What a backup program's scripts set first, for those that were written without: rows may come before their
    parents, and values of generated columns are passed over. References are looked at once all is in."""
    with session.cursor() as cursor:
        cursor.execute("SET SESSION foreign_key_checks = 0, unique_checks = 0, sql_mode = 'NO_AUTO_VALUE_ON_ZERO'")
    return session


def _with_own_definer(entry: Entry) -> tuple[bytes, int]:
    """A statement with the connection's user as definer, and how many definers were replaced."""
    statement = entry.definition.strip().removesuffix(entry.delimiter)
    if entry.kind not in {"view", "trigger", "event", "function", "procedure", "package", "package body"}:
        return statement, 0
    head, count = _DEFINER.subn(b"DEFINER=CURRENT_USER", statement[:_HEAD], count=1)
    return head + statement[_HEAD:], count


def _run(session: Session, statement: str) -> None:
    with session, session.cursor() as cursor:
        cursor.execute(statement)


_SIZE = """
SELECT (SELECT SUM(DATA_LENGTH + INDEX_LENGTH) FROM information_schema.TABLES WHERE TABLE_SCHEMA = %s),
  (SELECT COUNT(*) FROM information_schema.PROCESSLIST WHERE DB = %s)
"""


def marked_databases(address: Address) -> list[Marked]:
    """The databases of a server that carry the mark."""
    session = connected(replace(address, database=None))
    try:
        with session.cursor() as cursor:
            cursor.execute(
                "SELECT TABLE_SCHEMA FROM information_schema.TABLES "
                "WHERE TABLE_NAME = %s AND TABLE_TYPE = 'BASE TABLE'",
                (MARK_TABLE,),
            )
            marked = {str(row[0]) for row in cursor.fetchall()}
            cursor.execute("SELECT SCHEMA_NAME FROM information_schema.SCHEMATA ORDER BY 1")
            found = []
            for name in [str(row[0]) for row in cursor.fetchall()]:
                row = None
                if name in marked:
                    cursor.execute(f"SELECT mark FROM {quoted(name)}.{quoted(MARK_TABLE)} LIMIT 1")
                    row = cursor.fetchone()
                cursor.execute(_SIZE, (name, name))
                size, connections = cursor.fetchone() or (None, 0)
                mark = (name, "", str(row[0]) if row else None)
                found.append(read_mark(mark, int(size) if size else None, int(connections), address.state))
    except pymysql.Error as error:
        raise CannotCheck(f"{address.label}: {one_line(error)}", "check the user's rights") from error
    finally:
        session.close()
    return [mark for mark in found if mark is not None]


def drop_marked(address: Address, name: str) -> None:
    """Drop a database that carries the mark. Raises CannotCheck if it doesn't, or if the server refuses."""
    if name not in {marked.name for marked in marked_databases(address) if marked.signed}:
        raise CannotCheck(f"{name}: carries no mark of Sospes", "nothing was dropped; look at it yourself")
    _drop(address, name)


def _drop(address: Address, name: str) -> None:
    try:
        _run(connected(replace(address, database=None)), f"DROP DATABASE {quoted(name)}")
    except pymysql.Error as error:
        raise CannotCheck(
            f"{name}: could not be dropped: {one_line(error)}", "run again later: sospes tidy URL --drop"
        ) from error

"""Where MariaDB side copies are made: a private server of our own, or new databases on a server in use."""

from __future__ import annotations

import hashlib
import re
import secrets
from collections.abc import Iterator
from dataclasses import replace
from typing import Any, Protocol, TypeAlias

import pymysql

from sospes.formats.script.reach import OWN_DATABASES
from sospes.model.entries import Entry
from sospes.model.errors import CannotCheck
from sospes.model.findings import Finding, note
from sospes.sides.servers.address import Address
from sospes.sides.servers.hosts import DATABASE, RESTORER, Host, OnPrivateServer, OnSharedServer, undivided
from sospes.sides.servers.live_mariadb import ME, connected, one_line, quoted
from sospes.sides.servers.marks import MARK_TABLE, Marked, Naming, read_mark
from sospes.sides.servers.needs import Needs, version_shortfall
from sospes.sides.servers.private import PrivateServer

Session: TypeAlias = "pymysql.Connection[Any]"
Cursor: TypeAlias = "pymysql.cursors.Cursor"
_DEFINER = re.compile(rb"\bDEFINER\s*=\s*(`(?:[^`]|``)*`|'[^']*'|\w+)\s*@\s*(`(?:[^`]|``)*`|'[^']*'|[\w.%]+)", re.I)
_HEAD = 400


_RIGHTS = f"""
SELECT '*', PRIVILEGE_TYPE, IS_GRANTABLE FROM information_schema.USER_PRIVILEGES WHERE {ME}
UNION ALL SELECT TABLE_SCHEMA, PRIVILEGE_TYPE, IS_GRANTABLE FROM information_schema.SCHEMA_PRIVILEGES WHERE {ME}
"""
_NOT_KNOWN, _MAY_NOT = 1064, 1227
"""Errors: words that the server doesn't know; no right to what was asked for."""


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


class PrivateHost(OnPrivateServer):
    """A private server, where databases have their own names, and a restorer whose rights end at them."""

    def __init__(self, server: PrivateServer) -> None:
        super().__init__(server)
        self._secret = secrets.token_urlsafe(24)
        with connected(server.address("")) as session, session.cursor() as cursor:
            cursor.execute(f"CREATE USER '{RESTORER}'@'localhost' IDENTIFIED BY %s", (self._secret,))

    def shortfalls(self, needs: Needs) -> list[str]:
        """Nothing: the version was looked at before the server was started."""
        return []

    def make(self, database: str | None) -> str:
        """The database, under the name that it has in the backup; the server's own keep out of its way."""
        if database not in self.made:
            name = f"{DATABASE}_{database}" if (database or "").lower() in OWN_DATABASES else database or DATABASE
            with connected(self.server.address("")) as session, session.cursor() as cursor:
                cursor.execute(f"CREATE DATABASE IF NOT EXISTS {quoted(name)}")
                cursor.execute(f"GRANT ALL ON {_alone(name)}.* TO '{RESTORER}'@'localhost'")
            self.made[database] = name
        return self.made[database]

    def prepared(self, entry: Entry) -> bytes:
        """The statement with the restorer as definer: others do not exist here."""
        return _with_own_definer(entry)[0]

    def restorer(self) -> Session:
        """A connection of the user whose rights end at the databases."""
        return _as_scripts_want(connected(replace(self.server.address(""), user=RESTORER, password=self._secret)))

    def summary(self) -> Iterator[Finding]:
        """Nothing is done otherwise than the backup says."""
        yield from ()


class SharedHost(OnSharedServer):
    """A server in use: new databases with a name and a mark of ours, restored by an account that is made for it.

    The account may do anything in the new databases, and nothing else; the user of the address makes and drops both,
    and runs no text of the backup. With a backup that is trusted there is no such account.
    """

    def __init__(self, address: Address, naming: Naming) -> None:
        super().__init__(replace(address, database=None), naming)
        self._definers = 0
        self._trusted = False
        self._account: Address | None = None

    def shortfalls(self, needs: Needs) -> list[str]:
        """Version, the user's rights, names that are taken."""
        session = connected(self._address)
        self._trusted = needs.trusted
        try:
            with session, session.cursor() as cursor:
                cursor.execute("SELECT VERSION()")
                version = tuple(int(part) for part in re.findall(r"\d+", str((cursor.fetchone() or [""])[0]))[:3])
                found = version_shortfall(version, needs, "the engine's version")
                cursor.execute(_RIGHTS)
                rights = [(str(schema or ""), str(kind), str(given)) for schema, kind, given in cursor.fetchall()]
                cursor.execute("SELECT SCHEMA_NAME FROM information_schema.SCHEMATA")
                taken = {str(row[0]) for row in cursor.fetchall()} & set(self._names(needs))
        except pymysql.Error as error:
            raise CannotCheck(f"{self._address.label}: {one_line(error)}", "check the user's rights") from error
        pattern = self._naming.prefix.replace("_", r"\_") + "%"
        mine = {kind for schema, kind, _ in rights if schema in {pattern, "*"}}
        given = {kind for schema, kind, grantable in rights if schema in {pattern, "*"} and grantable == "YES"}
        if not needs.trusted and "CREATE USER" not in mine:
            found.append(
                "the user may not make accounts, and the backup is restored by one of its own, which may do nothing "
                "else: GRANT CREATE USER ON *.* TO the user, or say --trust-backup"
            )
        if not {"CREATE", "INSERT", "DROP"} <= (mine if needs.trusted else given):
            option = "" if needs.trusted else " WITH GRANT OPTION"
            found.append(
                f"the user may not make such databases for others: GRANT ALL ON `{pattern}`.* TO the user{option}"
            )
        return found + [f"the database {name} is there already" for name in sorted(taken)]

    def make(self, database: str | None) -> str:
        """A new database, marked before anything goes into it."""
        if database not in self.made:
            name = self._naming.name(database)
            session = connected(self._address)
            try:
                with undivided(), session.cursor() as cursor:
                    cursor.execute(f"CREATE DATABASE {quoted(name)}")
                    self.made[database] = name
                    table = f"{quoted(name)}.{quoted(MARK_TABLE)}"
                    cursor.execute(f"CREATE TABLE {table} (mark VARCHAR(1000) CHARACTER SET utf8mb4)")
                    mark = self._naming.mark(name, "", self._address.state)
                    cursor.execute(f"INSERT INTO {table} VALUES (%s)", (mark,))
                    if not self._trusted:
                        self._let_in(cursor, name)
            except pymysql.Error as error:
                raise CannotCheck(f"{self._address.label}: {one_line(error)}", "nothing was restored") from error
            finally:
                session.close()
        return self.made[database]

    def _let_in(self, cursor: Cursor, name: str) -> None:
        """Let the account of this restore into a database; it is made with the first one."""
        if self._account is None:
            user, secret = account_of(name), f"{secrets.token_urlsafe(24)}-Aa1"
            cursor.execute(f"CREATE USER {_known_as(cursor, user)} IDENTIFIED BY %s", (secret,))
            self._account = replace(self._address, user=user, password=secret)
        cursor.execute(f"GRANT ALL ON {_alone(name)}.* TO {_known_as(cursor, self._account.user or '')}")

    def prepared(self, entry: Entry) -> bytes:
        """The statement with this connection's user as definer: others may not exist here, or may do more."""
        statement, count = _with_own_definer(entry)
        self._definers += count
        return statement

    def restorer(self) -> Session:
        """A connection as the account of this restore; as the user of the address where the backup is trusted."""
        return _as_scripts_want(connected(self._account or self._address))

    def summary(self) -> Iterator[Finding]:
        """Definers that were replaced."""
        if self._definers:
            yield note(
                "definers-left-out",
                f"{self._definers:,} views and routines run as this restore's account instead of their definers",
                "to rehearse definers as well, use --side private",
            )

    def hand_over(self) -> None:
        """Nobody logs in as the account any more, whose views and routines are kept."""
        if self._account is not None:
            with connected(self._address) as session, session.cursor() as cursor:
                try:
                    cursor.execute(f"ALTER USER {_known_as(cursor, self._account.user or '')} ACCOUNT LOCK")
                except pymysql.Error as error:
                    if error.args[0] != _NOT_KNOWN:  # older servers: nobody knows the password
                        raise

    def remove(self) -> None:
        """Drop what was made, whatever it says of itself now."""
        for name in self.made.values():
            _drop(self._address, name)


def account_of(database: str) -> str:
    """The name of the account that restores into a database; names are short on some servers."""
    return f"sospes_{hashlib.sha256(database.encode()).hexdigest()[:16]}"


def _alone(database: str) -> str:
    """A database's name as GRANT takes it, where marks of patterns are such marks unless escaped."""
    return quoted(re.sub(r"([\\_%])", r"\\\1", database))


def _known_as(cursor: Cursor, user: str) -> str:
    """An account as statements name it: it may come from where this connection comes from."""
    cursor.execute("SELECT SUBSTRING_INDEX(USER(), '@', -1)")
    [host] = cursor.fetchone() or ["localhost"]
    return f"{quoted(user)}@{quoted(str(host))}"


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
        with connected(replace(address, database=None)) as session, session.cursor() as cursor:
            cursor.execute(f"DROP DATABASE {quoted(name)}")
            try:
                cursor.execute(f"DROP USER IF EXISTS {_known_as(cursor, account_of(name))}")
            except pymysql.Error as error:
                if error.args[0] != _MAY_NOT:  # who may make no accounts has made none
                    raise
    except pymysql.Error as error:
        raise CannotCheck(
            f"{name}: could not be dropped: {one_line(error)}", "run again later: sospes tidy URL --drop"
        ) from error

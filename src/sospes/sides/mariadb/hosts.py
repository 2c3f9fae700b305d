"""Where MariaDB side copies are made: a private server of our own, or new databases on a server in use."""

from __future__ import annotations

import re
import secrets
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from dataclasses import replace
from typing import Any, Protocol, TypeAlias

import pymysql

from sospes.engines.mariadb.restated import Restated, engine_elsewhere
from sospes.model.entries import Entry
from sospes.model.errors import CannotCheck
from sospes.model.findings import Finding, note
from sospes.model.kinds import Kind
from sospes.sides.mariadb.live import ME, connected, one_line
from sospes.sides.servers.address import Address
from sospes.sides.servers.hosts import DATABASE, RESTORER, Host, OnPrivateServer, OnSharedServer, undivided
from sospes.sides.servers.marks import (
    MARK_TABLE,
    Left,
    Marked,
    Naming,
    account_of,
    is_own_account,
    is_own_aside,
    read_mark,
)
from sospes.sides.servers.needs import Needs, version_shortfall
from sospes.sides.servers.private import PrivateServer
from sospes.sql.judging.reach import OWN_DATABASES
from sospes.sql.quoting import back_quoted, dotted

Session: TypeAlias = "pymysql.Connection[Any]"
Cursor: TypeAlias = "pymysql.cursors.Cursor"

_RIGHTS = f"""
SELECT '*', PRIVILEGE_TYPE, IS_GRANTABLE FROM information_schema.USER_PRIVILEGES WHERE {ME}
UNION ALL SELECT TABLE_SCHEMA, PRIVILEGE_TYPE, IS_GRANTABLE FROM information_schema.SCHEMA_PRIVILEGES WHERE {ME}
"""
_NOT_KNOWN, _MAY_NOT = 1064, 1227
"""Errors: words that the server doesn't know; no right to what was asked for."""
_NO_RIGHTS = frozenset({1142, 1143, 1044, 1370, 1356})
"""Errors: no right to a table, a column, a database, a routine, or what a view reads."""
_DROP_SECONDS = 60
"""How long a drop waits for code of a backup that still holds a table."""


class MariadbHost(Host, Protocol):
    """The same with what this engine needs."""

    def make(self, database: str | None) -> str:
        """Make a database of the backup, if it isn't made yet; its name on the server."""
        ...

    def prepared(self, entry: Entry) -> bytes:
        """A statement as it is run here."""
        ...

    def keeps_out(self, entry: Entry) -> str:
        """Why a definition is not for this server, or an empty text."""
        ...

    def restorer(self) -> Session:
        """A connection that restores."""
        ...


class PrivateHost(OnPrivateServer):
    """A private server, where databases have their own names, and a restorer whose rights end at them."""

    def __init__(self, server: PrivateServer) -> None:
        super().__init__(server)
        self._restated = Restated()
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
                cursor.execute(f"CREATE DATABASE IF NOT EXISTS {back_quoted(name)}")
                cursor.execute(f"GRANT ALL ON {_alone(name)}.* TO '{RESTORER}'@'localhost'")
            self.made[database] = name
        return self.made[database]

    def prepared(self, entry: Entry) -> bytes:
        """The statement with the restorer as definer; the server runs no events."""
        return self._restated.statement(entry, runs_events=False)

    def keeps_out(self, entry: Entry) -> str:
        """Nothing: walls hold what a table reaches for."""
        return ""

    def restorer(self) -> Session:
        """A connection of the user whose rights end at the databases."""
        return _as_scripts_want(connected(replace(self.server.address(""), user=RESTORER, password=self._secret)))

    def summary(self) -> Iterator[Finding]:
        """Folders that were left out."""
        yield from _folders(self._restated.folders)


class SharedHost(OnSharedServer):
    """A server in use: new databases with a name and a mark of ours, restored by an account that is made for it.

    The account may do anything in the new databases, and nothing else; the user of the address makes and drops both,
    and runs no text of the backup. With a backup that is trusted there is no such account.
    """

    def __init__(self, address: Address, naming: Naming) -> None:
        super().__init__(replace(address, database=None), naming)
        self._restated = Restated()
        self._trusted = False
        self._account: Address | None = None
        self._holds: list[Session] = []

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
        """A new database, marked before anything goes into it. A connection says that it is in use."""
        if database not in self.made:
            name = self._naming.name(database)
            hold = connected(self._address)
            self._holds.append(hold)
            try:
                with undivided(), hold.cursor() as cursor:
                    cursor.execute(_LONGEST_REST)
                    cursor.execute(f"CREATE DATABASE {back_quoted(name)}")
                    self.made[database] = name
                    hold.select_db(name)
                    self._mark(cursor, name)
                    if not self._trusted:
                        self._let_in(cursor, name)
            except pymysql.Error as error:
                raise CannotCheck(f"{self._address.label}: {one_line(error)}", "nothing was restored") from error
        return self.made[database]

    def _mark(self, cursor: Cursor, name: str) -> None:
        """Write the mark into a database that was made, in the place of what may be there by that name."""
        table = f"{back_quoted(name)}.{back_quoted(MARK_TABLE)}"
        for statement in (f"DROP VIEW IF EXISTS {table}", f"DROP TABLE IF EXISTS {table}"):
            cursor.execute(statement)
        cursor.execute(f"CREATE TABLE {table} (mark VARCHAR(1000) CHARACTER SET utf8mb4)")
        cursor.execute(f"INSERT INTO {table} VALUES (%s)", (self._naming.mark(name, "", self._address.state),))

    def _let_in(self, cursor: Cursor, name: str) -> None:
        """Let the account of this restore into a database; it is made with the first one."""
        if self._account is None:
            user, secret = account_of(name, self._address.state), f"{secrets.token_urlsafe(24)}-Aa1"
            cursor.execute(f"CREATE USER {_known_as(cursor, user)} IDENTIFIED BY %s", (secret,))
            self._account = replace(self._address, user=user, password=secret)
        cursor.execute(f"GRANT ALL ON {_alone(name)}.* TO {_known_as(cursor, self._account.user or '')}")

    def prepared(self, entry: Entry) -> bytes:
        """The statement with this restore's account as definer, events switched off."""
        return self._restated.statement(entry, runs_events=True)

    def keeps_out(self, entry: Entry) -> str:
        """Tables that lie on other servers or in files: this server would reach for them."""
        engine = engine_elsewhere(entry.definition) if entry.kind in {Kind.TABLE, Kind.TABLE_SETTING} else ""
        return f"tables of the engine {engine} lie elsewhere, and this server would go there" if engine else ""

    def restorer(self) -> Session:
        """A connection as the account of this restore; as the user of the address where the backup is trusted."""
        return _as_scripts_want(connected(self._account or self._address))

    def summary(self) -> Iterator[Finding]:
        """Definers that were replaced, events that were switched off, folders that were left out."""
        yield from _folders(self._restated.folders)
        if self._restated.events:
            yield note(
                "events-off",
                f"{self._restated.events:,} events were made switched off: the server would run them",
                "ALTER EVENT ... ENABLE in a kept copy runs one again",
            )
        if self._restated.definers:
            yield note(
                "definers-left-out",
                f"{self._restated.definers:,} views and routines run as this restore's account, not as their definers",
                "to rehearse definers as well, use --side private",
            )

    def hand_over(self) -> None:
        """Mark what is kept once more. Nobody logs in as the account any more, whose views and routines are kept."""
        self._release()
        if self._account is None:
            return
        with connected(self._address) as session, session.cursor() as cursor:
            try:
                cursor.execute(f"ALTER USER {_known_as(cursor, self._account.user or '')} ACCOUNT LOCK")
            except pymysql.Error as error:
                if error.args[0] != _NOT_KNOWN:  # older servers: nobody knows the password
                    raise
            for name in self.made.values():
                self._mark(cursor, name)

    def remove(self) -> None:
        """Drop what was made, whatever it says of itself now."""
        self._release()
        for name in self.made.values():
            _drop(self._address, name)

    def _release(self) -> None:
        for hold in self._holds:
            with suppress(pymysql.Error):
                hold.close()
        self._holds.clear()


def _folders(count: int) -> Iterator[Finding]:
    if count:
        yield note(
            "folders-left-out",
            f"{count:,} folders that tables were to lie in were left out: on a side copy all lies together",
            "see to them before a real restore: DATA DIRECTORY, INDEX DIRECTORY",
        )


_LONGEST_REST = "SET SESSION wait_timeout = 31536000"
"""A connection that waits for the end of a restore isn't closed before."""


def _alone(database: str) -> str:
    """A database's name as GRANT takes it, where marks of patterns are such marks unless escaped."""
    return back_quoted(re.sub(r"([\\_%])", r"\\\1", database))


def _known_as(cursor: Cursor, user: str) -> str:
    """An account as statements name it: it may come from where this connection comes from."""
    cursor.execute("SELECT SUBSTRING_INDEX(USER(), '@', -1)")
    [host] = cursor.fetchone() or ["localhost"]
    return f"{back_quoted(user)}@{back_quoted(str(host))}"


def _as_scripts_want(session: Session) -> Session:
    """What a backup program's scripts set first, for those that were written without: rows may come before their
    parents, and values of generated columns are passed over. References are looked at once all is in."""
    with session.cursor() as cursor:
        cursor.execute("SET SESSION foreign_key_checks = 0, unique_checks = 0, sql_mode = 'NO_AUTO_VALUE_ON_ZERO'")
    return session


_SIZE = """
SELECT (SELECT SUM(DATA_LENGTH + INDEX_LENGTH) FROM information_schema.TABLES WHERE TABLE_SCHEMA = %s),
  (SELECT COUNT(*) FROM information_schema.PROCESSLIST WHERE DB = %s)
"""


_ACCOUNTS = """
SELECT u.User, d.Db FROM mysql.user u LEFT JOIN mysql.db d ON d.User = u.User AND d.Host = u.Host
WHERE u.User LIKE 'sospes\\_%' ORDER BY 1, 2
"""


def marked_databases(address: Address) -> Left:
    """The databases of a server that carry the mark, and accounts of restores whose databases are gone."""
    session = connected(replace(address, database=None))
    try:
        with session.cursor() as cursor:
            accounts, unseen = _own_accounts(cursor, address)
            cursor.execute(
                "SELECT TABLE_SCHEMA FROM information_schema.TABLES "
                "WHERE TABLE_NAME = %s AND TABLE_TYPE = 'BASE TABLE'",
                (MARK_TABLE,),
            )
            marked = {str(row[0]) for row in cursor.fetchall()}
            cursor.execute("SELECT SCHEMA_NAME FROM information_schema.SCHEMATA ORDER BY 1")
            names = [str(row[0]) for row in cursor.fetchall()]
            found = [_marked(cursor, address, name, name in marked, accounts) for name in names]
            asides = _asides(cursor, address)
    except pymysql.Error as error:
        raise CannotCheck(f"{address.label}: {one_line(error)}", "check the user's rights") from error
    finally:
        session.close()
    databases = [mark for mark in found if mark is not None]
    left = [
        Marked(account, "", "", None, in_use=False, signed=True, kind="account")
        for account, of in accounts.items()
        if not of & set(names)
    ]
    return Left(databases + left + asides, unseen)


_TABLES = """
SELECT TABLE_SCHEMA, TABLE_NAME, DATA_LENGTH + INDEX_LENGTH, IS_USED_LOCK(TABLE_NAME) IS NOT NULL
FROM information_schema.TABLES WHERE TABLE_NAME LIKE 'sospes\\_%' AND TABLE_TYPE = 'BASE TABLE' ORDER BY 1, 2
"""


def _asides(cursor: Cursor, address: Address) -> list[Marked]:
    """Tables of this user's own that were on their way into a live database; a lock says that they still are."""
    cursor.execute(_TABLES)
    return [
        Marked(f"{database}.{table}", "", "", int(size or 0), in_use=bool(int(used)), signed=True, kind="table")
        for database, table, size, used in cursor.fetchall()
        if is_own_aside(str(table), address.state)
    ]


def _own_accounts(cursor: Cursor, address: Address) -> tuple[dict[str, set[str]], list[Finding]]:
    """The accounts that this user's Sospes made, each with the databases that it has rights to."""
    try:
        cursor.execute(_ACCOUNTS)
    except pymysql.Error as error:
        if error.args[0] not in _NO_RIGHTS:
            raise
        missing = note(
            "accounts-unseen",
            f"{address.label}: this user may not see accounts, so those whose databases are gone aren't listed",
            "GRANT SELECT ON mysql.* TO the user shows them",
        )
        return {}, [missing]
    found: dict[str, set[str]] = {}
    for user, database in cursor.fetchall():
        if is_own_account(str(user), address.state):
            found.setdefault(str(user), set()).add(re.sub(r"\\(.)", r"\1", str(database or "")))
    return found, []


def _marked(cursor: Cursor, address: Address, name: str, tabled: bool, accounts: dict[str, set[str]]) -> Marked | None:
    """What a database says of itself; where code of a backup took its mark away, its account says that it is ours."""
    row = None
    if tabled:
        cursor.execute(f"SELECT mark FROM {back_quoted(name)}.{back_quoted(MARK_TABLE)} LIMIT 1")
        row = cursor.fetchone()
    cursor.execute(_SIZE, (name, name))
    bytes_held, sessions = cursor.fetchone() or (None, 0)
    size, connections = int(bytes_held) if bytes_held else None, int(sessions)
    mark = read_mark((name, "", str(row[0]) if row else None), size, connections, address.state)
    if (mark is None or not mark.signed) and accounts and name in accounts.get(account_of(name, address.state), ()):
        return Marked(name, "", "", size, connections > 0, signed=True)
    return mark


def drop_marked(address: Address, name: str) -> None:
    """Drop a database or account that is ours. Raises CannotCheck if it isn't, or if the server refuses."""
    kinds = {marked.name: marked.kind for marked in marked_databases(address).marked if marked.signed}
    if name not in kinds:
        raise CannotCheck(f"{name}: carries no mark of Sospes", "nothing was dropped; look at it yourself")
    if kinds[name] == "database":
        _drop(address, name)
    elif kinds[name] == "table":
        with _dropping(address, name) as cursor:
            cursor.execute(f"DROP TABLE {dotted(back_quoted, *name.rsplit('.', 1))}")
    else:
        with _dropping(address, name) as cursor:
            cursor.execute("SELECT Host FROM mysql.user WHERE User = %s", (name,))
            for (host,) in cursor.fetchall():
                cursor.execute(f"DROP USER {back_quoted(name)}@{back_quoted(str(host))}")


def _drop(address: Address, name: str) -> None:
    with _dropping(address, name) as cursor:
        cursor.execute(f"SET SESSION lock_wait_timeout = {_DROP_SECONDS}")
        cursor.execute(f"DROP DATABASE {back_quoted(name)}")
        try:
            cursor.execute(f"DROP USER IF EXISTS {_known_as(cursor, account_of(name, address.state))}")
        except pymysql.Error as error:
            if error.args[0] != _MAY_NOT:  # who may make no accounts has made none
                raise


@contextmanager
def _dropping(address: Address, name: str) -> Iterator[Cursor]:
    """A connection to drop something by. Raises CannotCheck if the server refuses."""
    try:
        with connected(replace(address, database=None)) as session, session.cursor() as cursor:
            yield cursor
    except pymysql.Error as error:
        raise CannotCheck(
            f"{name}: could not be dropped: {one_line(error)}", "run again later: sospes tidy URL --drop"
        ) from error

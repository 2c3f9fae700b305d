"""Where PostgreSQL side copies are made: a private server of our own, or new databases on a server in use."""

from __future__ import annotations

import re
import secrets
from collections.abc import Iterator
from contextlib import ExitStack, suppress
from dataclasses import dataclass, field, replace
from typing import Protocol

import psycopg
from psycopg import sql

from sospes.model.entries import Entry
from sospes.model.errors import CannotCheck
from sospes.model.findings import Finding, note
from sospes.model.kinds import Kind
from sospes.sides.postgresql.live import NO_CONNECTIONS, connected, one_line, stop_if_outside
from sospes.sides.postgresql.loads import Session
from sospes.sides.postgresql.private import PrivatePostgresql
from sospes.sides.servers.address import Address
from sospes.sides.servers.hosts import DATABASE, RESTORER, Host, OnPrivateServer, OnSharedServer, undivided
from sospes.sides.servers.marks import MARK, Left, Naming, read_mark
from sospes.sides.servers.needs import Needs, version_shortfall
from sospes.sql.judging.reach import LIBRARIES

_STATED = re.compile(
    r"""\b(ENCODING|LOCALE_PROVIDER|ICU_LOCALE|LC_COLLATE|LC_CTYPE|LOCALE|BUILTIN_LOCALE)\s*=\s*'((?:[^']|'')*)'""",
    re.IGNORECASE,
)
_PROVIDER = re.compile(r"\bLOCALE_PROVIDER\s*=\s*(\w+)", re.IGNORECASE)
_ON_SHARED = frozenset({Kind.OWNERSHIP, Kind.GRANT})


_RIGHTS = """
SELECT r.rolsuper, r.rolcreatedb, r.rolcreaterole FROM pg_roles r WHERE r.rolname = current_user
"""
_TAKEN = "SELECT datname FROM pg_database WHERE datname = ANY (%s)"
_AVAILABLE = """
SELECT name, bool_or(NOT superuser OR trusted) FROM pg_available_extension_versions WHERE name = ANY (%s) GROUP BY name
"""


class PostgresqlHost(Host, Protocol):
    """The same with what this engine needs."""

    def passes_over(self, entry: Entry) -> bool:
        """Whether a statement is left to the host: its `take` notes it."""
        ...

    def take(self, entry: Entry) -> None:
        """See to a role, a database, or what else the host does in its own way."""
        ...

    def make_role(self, name: str) -> bool:
        """Make a role that statements need; False where it was made before, or isn't to be made."""
        ...

    def let_set(self, parameter: str) -> bool:
        """Let the restorer set what only superusers may; False where that isn't to be."""
        ...

    def sessions(self, database: str | None, count: int) -> list[Session]:
        """The first connection may change the catalog, all others restore. The database is made."""
        ...


@dataclass(slots=True)
class _Databases:
    """How the backup wants its databases: by statements that make them, or by the encoding of its header.

    like  encoding, collation and character type of a database that new ones are made like, where the backup says
          nothing and the encoding is the same: the copy of a live database then sorts as that does
    """

    encoding: str | None
    like: tuple[str, str, str] | None = None
    stated: dict[str, bytes] = field(default_factory=dict)
    problems: list[Finding] = field(default_factory=list)

    def make(self, session: Session, database: str | None, name: str) -> None:
        """Make a database with the encoding and the locale of the backup, or with what the server has instead."""
        text = self.stated.get(database or "", b"")
        if database is None and len(self.stated) == 1:
            [text] = self.stated.values()
        words = text.decode("utf-8", "replace")
        values = {match[1].upper(): match[2].replace("''", "'") for match in _STATED.finditer(words)}
        provider = _PROVIDER.search(words)
        encoding = values.pop("ENCODING", self.encoding or "UTF8")
        plain = [("ENCODING", encoding), ("LC_COLLATE", "C"), ("LC_CTYPE", "C")]
        if self.like is not None and self.like[0] == encoding:
            plain = [("ENCODING", encoding), ("LC_COLLATE", self.like[1]), ("LC_CTYPE", self.like[2])]
        wanted = [("ENCODING", encoding), *values.items()] if values else plain
        if values and provider:
            wanted.append(("LOCALE_PROVIDER", provider[1]))
        try:
            _create(session, name, wanted)
        except psycopg.errors.DuplicateDatabase as error:
            raise CannotCheck(f"the database {name} is there already", "run this again in a second") from error
        except (psycopg.errors.InsufficientPrivilege, psycopg.errors.DiskFull):
            raise
        except psycopg.Error as error:
            stop_if_outside(error)
            shown = ", ".join(f"{key} {value}" for key, value in wanted)
            self.problems.append(
                note(
                    "locale-missing",
                    f"the database wants {shown}, which this server doesn't have: {one_line(error)[:200]}; "
                    "the side copy is in UTF8 and sorts by code, so orders of text differ",
                    "install the locale on this machine if the order of text matters",
                )
            )
            _create(session, name, [("ENCODING", "UTF8"), ("LC_COLLATE", "C"), ("LC_CTYPE", "C")])


def _create(session: Session, name: str, options: list[tuple[str, str]]) -> None:
    """CREATE DATABASE from the template that holds nothing."""
    parts = [
        sql.SQL("{} = {}").format(sql.SQL(key), sql.SQL(value) if key == "LOCALE_PROVIDER" else sql.Literal(value))
        for key, value in options
    ]
    session.execute(
        sql.SQL("CREATE DATABASE {} TEMPLATE template0 {}").format(sql.Identifier(name), sql.SQL(" ").join(parts))
    )


def _extensions_missing(session: Session, needs: Needs, *, superuser: bool) -> list[str]:
    """Extensions that are not installed, or that only a superuser may make."""
    wanted = [name for name in needs.extensions if name != "plpgsql"]
    free = dict(session.execute(_AVAILABLE, (wanted,)).fetchall())
    found = [f"the extension {name} is not installed on the server" for name in wanted if name not in free]
    if not superuser:
        found += [f"the extension {name} can only be made by a superuser" for name in wanted if free.get(name) is False]
    return found


class PrivateHost(OnPrivateServer):
    """A private server: roles are made as needed, and a restorer without superuser rights does the work."""

    def __init__(self, server: PrivatePostgresql, encoding: str | None) -> None:
        super().__init__(server)
        self.roles: list[str] = []
        self._settable: set[str] = set()
        self._secret = secrets.token_urlsafe(24)
        self._databases = _Databases(encoding)
        with connected(server.address("postgres")) as session:
            session.execute(
                sql.SQL("CREATE ROLE {} LOGIN BYPASSRLS PASSWORD {}").format(
                    sql.Identifier(RESTORER), sql.Literal(self._secret)
                )
            )

    def shortfalls(self, needs: Needs) -> list[str]:
        """Extensions that are not installed; the version was looked at before the server was started."""
        with connected(self.server.address("postgres")) as session:
            return _extensions_missing(session, needs, superuser=True)

    def passes_over(self, entry: Entry) -> bool:
        """Nothing: all that the guard allows can be run here."""
        return False

    def take(self, entry: Entry) -> None:
        """Roles come without rights of their own; a database is made once something goes into it."""
        if entry.kind == Kind.ROLE:
            self.make_role(entry.name.name)
        elif entry.kind == Kind.DATABASE:
            self._databases.stated[entry.name.name] = entry.definition

    def make_role(self, name: str) -> bool:
        """A role without login and password that the restorer is a member of."""
        if name in self.roles or name in {RESTORER, "public"} or name.startswith("pg_"):
            return False
        self.roles.append(name)
        with connected(self.server.address("postgres")) as session:
            session.execute(
                sql.SQL("CREATE ROLE {0} NOLOGIN; GRANT {0} TO {1}").format(
                    sql.Identifier(name), sql.Identifier(RESTORER)
                )
            )
        return True

    def let_set(self, parameter: str) -> bool:
        """Behind walls the restorer may set anything but libraries to load; servers before 15 know no such rights."""
        if not self.walls or parameter in self._settable or parameter.lower() in LIBRARIES:
            return False
        self._settable.add(parameter)
        with connected(self.server.address("postgres")) as session, suppress(psycopg.Error):
            session.execute(
                sql.SQL("GRANT SET ON PARAMETER {} TO {}").format(sql.Identifier(parameter), sql.Identifier(RESTORER))
            )
            return True
        return False

    def sessions(self, database: str | None, count: int) -> list[Session]:
        """The administrator's connection, and the restorer's."""
        name = database or DATABASE
        if database in {"postgres", "template1"}:
            name = f"{DATABASE}_{database}"
        with connected(self.server.address("postgres")) as session:
            self._databases.make(session, database, name)
            session.execute(
                sql.SQL("ALTER DATABASE {} OWNER TO {}").format(sql.Identifier(name), sql.Identifier(RESTORER))
            )
        self.made[database] = name
        address = self.server.address(name)
        administrator = connected(address)
        administrator.execute(
            sql.SQL("GRANT ALL ON SCHEMA public TO {}; ALTER SCHEMA public OWNER TO {}").format(
                sql.Identifier(RESTORER), sql.Identifier(RESTORER)
            )
        )
        restorer = replace(address, user=RESTORER, password=self._secret)
        return [administrator, *(connected(restorer) for _ in range(count - 1))]

    def summary(self) -> Iterator[Finding]:
        """The roles that were made, and locales that were not there."""
        yield from self._databases.problems
        if self.roles:
            listed = ", ".join(sorted(self.roles)[:8]) + (", ..." if len(self.roles) > 8 else "")
            yield note("roles-made", f"roles were made without login and password for the side copy: {listed}")


class SharedHost(OnSharedServer):
    """A server in use: new databases with a name and a mark of ours, each restored by a role that is made for it.

    The role has the database's name, owns it, and may do nothing else; the user of the address makes and drops both,
    and runs no text of the backup. With a backup that is trusted there is no such role.
    """

    def __init__(self, address: Address, naming: Naming, encoding: str | None) -> None:
        super().__init__(address, naming)
        self._databases = _Databases(encoding)
        self._passed: dict[str, int] = {}
        self._identities: dict[str, str] = {}
        self._trusted = False
        self._roles: list[str] = []

    def shortfalls(self, needs: Needs) -> list[str]:
        """Version, the user's rights, names that are taken, extensions."""
        with connected(self._address, self._address.database or "postgres") as session:
            number = session.info.server_version
            found = version_shortfall((number // 10000,), needs, "PostgreSQL")
            superuser, creates, roles = session.execute(_RIGHTS).fetchone() or (False, False, False)
            self._trusted = needs.trusted
            if not (roles or superuser or needs.trusted):
                found.append(
                    f"{session.info.user} may not make roles, and the backup is restored by one of its own, which may "
                    f"do nothing else: ALTER ROLE {session.info.user} CREATEROLE, or say --trust-backup"
                )
            if not creates and not superuser:
                found.append(f"{session.info.user} may not create databases: ALTER ROLE {session.info.user} CREATEDB")
            taken = session.execute(
                "SELECT datname FROM pg_database WHERE datname = ANY (%s)", (self._names(needs),)
            ).fetchall()
            found += [f"the database {name} is there already" for (name,) in taken]
            return found + _extensions_missing(session, needs, superuser=bool(superuser) and needs.trusted)

    def passes_over(self, entry: Entry) -> bool:
        """Owners and rights: they would name people who have accounts here."""
        return entry.kind in _ON_SHARED

    def take(self, entry: Entry) -> None:
        """No roles are made here; a database is made once something goes into it."""
        if entry.kind == Kind.DATABASE:
            self._databases.stated[entry.name.name] = entry.definition
        elif entry.kind in _ON_SHARED:
            self._passed[entry.kind] = self._passed.get(entry.kind, 0) + 1

    def make_role(self, name: str) -> bool:
        """Never: roles belong to the whole server."""
        return False

    def let_set(self, parameter: str) -> bool:
        """Never: the restorer has no such rights here."""
        return False

    def sessions(self, database: str | None, count: int) -> list[Session]:
        """A new database, marked before anything goes into it, that nobody else may connect to.

        It is in use from before it is marked until the last of its connections ends.
        """
        name = self._naming.name(database)
        with ExitStack() as hold:
            restorer = self._made(database, name, hold)
            try:
                with ExitStack() as opened:
                    found = [opened.enter_context(connected(restorer, name)) for _ in range(count)]
                    opened.pop_all()
                return found
            except CannotCheck as error:
                if self._trusted or error.hint == NO_CONNECTIONS:
                    raise
                raise CannotCheck(
                    f"{error.problem} (as a role that was made for this restore)",
                    "let new roles log in with a password (pg_hba.conf), or say --trust-backup to restore as the user",
                ) from error

    def _made(self, database: str | None, name: str, hold: ExitStack) -> Address:
        """Make a database, and the role that restores into it; how to connect as that one."""
        with undivided(), connected(self._address, self._address.database or "postgres") as session:
            try:
                self._databases.like = session.execute(_LIKE).fetchone()
                self._databases.make(session, database, name)
            except psycopg.Error as error:
                raise CannotCheck(f"{self._address.label}: {one_line(error)}", "nothing was restored") from error
            self.made[database] = name
            # Held open until the restorer's own connections are there: without any, another user's tidy could drop it.
            hold.enter_context(connected(self._address, name))
            [identity] = session.execute(_IDENTITY, (name,)).fetchone() or [""]
            self._identities[name] = str(identity)
            self._mark(session, name)
            session.execute(sql.SQL("REVOKE ALL ON DATABASE {} FROM PUBLIC").format(sql.Identifier(name)))
            return self._address if self._trusted else self._own_role(session, name)

    def _mark(self, session: Session, name: str) -> None:
        """Write the mark on a database that was made."""
        mark = self._naming.mark(name, self._identities[name], self._address.state)
        session.execute(sql.SQL("COMMENT ON DATABASE {} IS {}").format(sql.Identifier(name), sql.Literal(mark)))

    def _own_role(self, session: Session, name: str) -> Address:
        """A role that owns the new database, and the address to log in as it."""
        secret = secrets.token_urlsafe(24)
        role = sql.Identifier(name)
        try:
            session.execute(
                sql.SQL(
                    "CREATE ROLE {} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOREPLICATION NOBYPASSRLS PASSWORD {}"
                ).format(role, sql.Literal(secret))
            )
            self._roles.append(name)
            [identity] = session.execute(_ROLE_IDENTITY, (name,)).fetchone() or [""]
            mark = self._naming.mark(name, str(identity), self._address.state)
            session.execute(sql.SQL("COMMENT ON ROLE {} IS {}").format(role, sql.Literal(mark)))
            session.execute(sql.SQL("GRANT {} TO CURRENT_USER").format(role))
            session.execute(sql.SQL("ALTER DATABASE {0} OWNER TO {0}").format(role))
        except psycopg.Error as error:
            raise CannotCheck(f"{self._address.label}: {one_line(error)}", "nothing was restored") from error
        return replace(self._address, user=name, password=secret)

    def hand_over(self) -> None:
        """Give what is kept to the user of the address, marked once more, and take the roles of the restore away.

        What a database itself is set to goes: it was set by code of the backup, which owned it.
        """
        for name in self._roles:
            made = sql.Identifier(name)
            with connected(self._address, self._address.database or "postgres") as session:
                for statement in _RECLAIMS:
                    session.execute(sql.SQL(statement).format(made))
                with connected(self._address, name) as inside:
                    inside.execute(sql.SQL("REASSIGN OWNED BY {0} TO CURRENT_USER; DROP OWNED BY {0}").format(made))
                self._mark(session, name)
                session.execute(sql.SQL("DROP ROLE {}").format(made))

    def summary(self) -> Iterator[Finding]:
        """What was passed over, and locales that were not there."""
        yield from self._databases.problems
        if self._passed:
            counts = ", ".join(f"{kind} {count:,}" for kind, count in sorted(self._passed.items()))
            yield note(
                "owners-left-out",
                f"statements about accounts of this server were left out: {counts}",
                "to rehearse owners and rights as well, use --side private",
            )

    def remove(self) -> None:
        """Drop what was made, whatever it is called or says of itself now; its own sessions are ended first."""
        for identity in self._identities.values():
            with connected(self._address, self._address.database or "postgres") as session:
                row = session.execute("SELECT datname FROM pg_database WHERE oid = %s", (int(identity),)).fetchone()
                if row is not None:
                    session.execute(_END_OWN, (row[0], self._roles))
                    _drop(session, str(row[0]))
        for role in self._roles:
            with connected(self._address, self._address.database or "postgres") as session:
                session.execute(sql.SQL("DROP ROLE IF EXISTS {}").format(sql.Identifier(role)))


_RECLAIMS = (
    "ALTER DATABASE {} OWNER TO CURRENT_USER",
    "ALTER DATABASE {} RESET ALL",
    "ALTER DATABASE {} ALLOW_CONNECTIONS true CONNECTION LIMIT -1 IS_TEMPLATE false",
)
_LIKE = """
SELECT pg_encoding_to_char(encoding), datcollate, datctype FROM pg_database
WHERE datname = current_database() AND COALESCE(to_jsonb(pg_database) ->> 'datlocprovider', 'c') = 'c'
"""
"""Of a database whose locale is the system's; servers before 15 know no other."""

_IDENTITY = "SELECT oid::text FROM pg_database WHERE datname = %s"
_ROLE_IDENTITY = "SELECT 'role ' || oid FROM pg_roles WHERE rolname = %s"
"""What the mark of a role is bound to, which is that of no database."""
_END_OWN = """
SELECT pg_terminate_backend(pid) FROM pg_stat_activity
WHERE datname = %s AND (usename = current_user OR usename = ANY (%s::name[])) AND pid <> pg_backend_pid()
"""
_MARKED = """
SELECT d.datname, d.oid::text, shobj_description(d.oid, 'pg_database'), 'role ' || d.datdba,
  (SELECT shobj_description(r.oid, 'pg_authid') FROM pg_roles r WHERE r.oid = d.datdba AND r.rolname = d.datname),
  CASE WHEN has_database_privilege(d.oid, 'CONNECT') THEN pg_database_size(d.oid) END,
  (SELECT count(*) FROM pg_stat_activity a WHERE a.datid = d.oid)
FROM pg_database d ORDER BY 1
"""
_TEMPLATE = "SELECT datistemplate FROM pg_database WHERE datname = %s"


_MARKED_ROLES = """
SELECT r.rolname, 'role ' || r.oid, shobj_description(r.oid, 'pg_authid'),
  (SELECT count(*) FROM pg_stat_activity a WHERE a.usesysid = r.oid)
FROM pg_roles r
WHERE shobj_description(r.oid, 'pg_authid') LIKE %s AND r.rolname NOT IN (SELECT datname FROM pg_database) ORDER BY 1
"""


def marked_databases(address: Address) -> Left:
    """The databases of a server that carry the mark, and roles that carry it and whose database is gone."""
    with connected(address, address.database or "postgres") as session:
        found = session.execute(_MARKED).fetchall()
        roles = session.execute(_MARKED_ROLES, (f"{MARK}%",)).fetchall()
    marks = []
    for name, identity, text, owner, owners_text, size, connections in found:
        mark = read_mark((name, identity, text), size, connections, address.state)
        if mark is None or not mark.signed:  # its owner may have taken the mark away, but not that of the role
            of_owner = read_mark((name, owner, owners_text), size, connections, address.state)
            mark = of_owner if of_owner is not None and of_owner.signed else mark
        marks.append(mark)
    of_roles = [read_mark(tuple(mark), None, connections, address.state) for *mark, connections in roles]
    marks += [replace(mark, kind="role") for mark in of_roles if mark is not None]
    return Left([mark for mark in marks if mark is not None], [])


def drop_marked(address: Address, name: str) -> None:
    """Drop a database or role that carries the mark. Raises CannotCheck if it doesn't, or if the server refuses."""
    kinds = {marked.name: marked.kind for marked in marked_databases(address).marked if marked.signed}
    if name not in kinds:
        raise CannotCheck(f"{name}: carries no mark of Sospes", "nothing was dropped; look at it yourself")
    with connected(address, address.database or "postgres") as session:
        if kinds[name] == "database":
            _drop(session, name)
        session.execute(sql.SQL("DROP ROLE IF EXISTS {}").format(sql.Identifier(name)))


def _drop(session: Session, name: str) -> None:
    """Drop a database that was made; its owner, code of the backup, may have made a template of it."""
    try:
        if session.execute(_TEMPLATE, (name,)).fetchone() == (True,):
            session.execute(sql.SQL("ALTER DATABASE {} IS_TEMPLATE false").format(sql.Identifier(name)))
        session.execute(sql.SQL("DROP DATABASE {}").format(sql.Identifier(name)))
    except psycopg.Error as error:
        raise CannotCheck(
            f"{name}: could not be dropped: {one_line(error)}", "run again later: sospes tidy URL --drop"
        ) from error

"""Puts a side copy in a live PostgreSQL database's place: both are renamed in one transaction.

Sources: PostgreSQL documentation, "ALTER DATABASE", "System Catalogs": pg_database, pg_db_role_setting,
pg_stat_activity, pg_replication_slots, pg_subscription, pg_foreign_server.
"""

from __future__ import annotations

import json
from collections.abc import Iterator, Sequence
from contextlib import suppress
from datetime import UTC, datetime
from typing import Any

import psycopg
from psycopg import sql

from sospes.model.errors import CannotCheck, NotFound
from sospes.model.findings import Finding, doubt, note
from sospes.sides.postgresql.checks import check_database
from sospes.sides.postgresql.hosts import marked_databases
from sospes.sides.postgresql.live import connected, one_line
from sospes.sides.postgresql.rights import carried
from sospes.sides.servers.address import Address
from sospes.sides.servers.handing import KEPT, Look, Session, Swapped, kept_name, own_copy, require_names, still_open
from sospes.sides.servers.settling import settled

_LONGEST = 63
_TRIES = 5
"""How often it is tried anew where sessions come back while they are ended."""

_OWN = frozenset({"postgres", "template0", "template1"})
_DATABASE = """
SELECT d.oid::text, pg_database_size(d.oid), shobj_description(d.oid, 'pg_database'), pg_get_userbyid(d.datdba),
  d.datconnlimit, pg_encoding_to_char(d.encoding), d.datcollate, d.datctype
FROM pg_database d WHERE d.datname = %s
"""
_SESSIONS = """
SELECT datname, COALESCE(usename, ''), COALESCE(NULLIF(application_name, ''), backend_type),
  COALESCE(host(client_addr), 'local'), count(*), min(backend_start)
FROM pg_stat_activity WHERE datname = ANY (%s) AND pid <> pg_backend_pid() GROUP BY 1, 2, 3, 4 ORDER BY 5 DESC, 1, 2, 3
"""
_END = (
    "SELECT count(pg_terminate_backend(pid)) FROM pg_stat_activity WHERE datname = ANY (%s) AND pid <> pg_backend_pid()"
)
_SETTINGS = """
SELECT r.rolname, unnest(s.setconfig) FROM pg_db_role_setting s JOIN pg_database d ON d.oid = s.setdatabase
LEFT JOIN pg_roles r ON r.oid = s.setrole WHERE d.datname = %s
"""
_RIGHTS = """
SELECT CASE a.grantee WHEN 0 THEN '' ELSE pg_get_userbyid(a.grantee) END, a.privilege_type, a.is_grantable
FROM pg_database d, aclexplode(COALESCE(d.datacl, acldefault('d', d.datdba))) a
WHERE d.datname = %s AND a.grantee <> d.datdba
"""
_SLOTS = "SELECT slot_name, active FROM pg_replication_slots WHERE database = %s"
_SUBSCRIPTIONS = """
SELECT s.subname FROM pg_subscription s JOIN pg_database d ON d.oid = s.subdbid WHERE d.datname = %s
"""
_EXTENSIONS = "SELECT extname, extversion FROM pg_extension"
_PUBLICATIONS = "SELECT pubname FROM pg_publication"
_SERVERS = """
SELECT srvname FROM pg_foreign_server WHERE 'dbname=' || %s = ANY (srvoptions)
"""
_JOBS = "SELECT jobname FROM cron.job WHERE database = %s"
_LISTS = frozenset(
    {
        "search_path",
        "temp_tablespaces",
        "local_preload_libraries",
        "session_preload_libraries",
        "unix_socket_directories",
    }
)
"""Settings that hold lists of names, each with its own quotes."""


class PostgresqlHanding:
    """The side copy of an address, and the live database of the same server by its name."""

    def __init__(self, side: Address, live: str) -> None:
        self._side, self._live = side, live
        self._copy = side.database or ""

    def _connected(self, database: str = "postgres") -> psycopg.Connection[Any]:
        return connected(self._side, database)

    def begun(self) -> bool:
        """Never: it is one transaction."""
        return False

    def look(self) -> Look:
        """Both databases, who is connected, and what depends on live's name."""
        require_names(self._side, self._live, _OWN)
        marked = own_copy(marked_databases(self._side).marked, self._copy)
        with self._connected() as session:
            side, live = (self._row(session, name) for name in (self._copy, self._live))
            if live is None:
                raise NotFound(
                    f"{self._live}: there is no such database on the server",
                    f"where it is gone, rename the copy by hand: ALTER DATABASE {self._copy} RENAME TO {self._live}",
                )
            assert side is not None  # its mark was read
            findings = [*self._of_name(session), *self._of_making(side, live)]
            sessions = settled(lambda: tuple(self._sessions(session)), bool)
        with self._connected(self._live) as inside, self._connected(self._copy) as other:
            findings += _inside(inside, other)
        return Look(marked=marked, live_bytes=live[1], side_bytes=side[1], sessions=sessions, findings=tuple(findings))

    def _row(self, session: psycopg.Connection[Any], name: str) -> tuple[Any, ...] | None:
        row = session.execute(_DATABASE, (name,)).fetchone()
        return None if row is None else tuple(row)

    def _sessions(self, session: psycopg.Connection[Any]) -> Iterator[Session]:
        for database, user, program, where, count, since in session.execute(_SESSIONS, (self._both,)).fetchall():
            yield Session(
                database=database, user=user, program=program, where=where, count=int(count),
                since=since.astimezone(UTC).isoformat(timespec="seconds") if since else None,
            )  # fmt: skip

    @property
    def _both(self) -> list[str]:
        return [self._live, self._copy]

    def _of_name(self, session: psycopg.Connection[Any]) -> Iterator[Finding]:
        """What goes by live's name, or stays with what it is, elsewhere on the server."""
        for slot, active in session.execute(_SLOTS, (self._live,)).fetchall():
            state = "in use" if active else "not in use now"
            yield doubt(
                "depends-on-live",
                f"the replication slot {slot} ({state}) belongs to {self._live}, and stays with what is kept of it",
                "make a new slot on the database that takes the name, and have its reader begin there",
            )
        for (name,) in session.execute(_SUBSCRIPTIONS, (self._live,)).fetchall():
            yield doubt(
                "depends-on-live",
                f"the subscription {name} of {self._live} goes on filling what is kept of it, not the copy",
                "disable it first, and make it anew in the database that takes the name",
            )
        for database in session.execute("SELECT datname FROM pg_database WHERE datallowconn").fetchall():
            yield from self._in_database(str(database[0]))

    def _in_database(self, database: str) -> Iterator[Finding]:
        """What another database has that goes by live's name."""
        with suppress(CannotCheck), self._connected(database) as session:
            for (name,) in session.execute(_SERVERS, (self._live,)).fetchall():
                yield note(
                    "depends-on-live",
                    f"the foreign server {name} in {database} goes to {self._live} by name: it will reach the copy",
                )
            with suppress(psycopg.Error):
                for (job,) in session.execute(_JOBS, (self._live,)).fetchall():
                    yield note(
                        "depends-on-live",
                        f"the scheduled job {job} in {database} runs in {self._live} by name: it will run in the copy",
                    )

    def _of_making(self, side: Sequence[Any], live: Sequence[Any]) -> Iterator[Finding]:
        """Encoding and locale, which no handover changes."""
        for word, mine, theirs in zip(("encoding", "collation", "character type"), side[5:], live[5:], strict=True):
            if mine != theirs:
                yield doubt(
                    "made-otherwise",
                    f"the copy's {word} is {mine}, live's is {theirs}: text is kept or sorted otherwise",
                    "rehearse it again with live in the address of --side: copies are made like that database",
                )

    def check(self) -> Iterator[Finding]:
        """The server's checks of all that is in the copy."""
        with self._connected(self._copy) as session:
            yield from check_database(session, {})

    def carry(self) -> Iterator[Finding]:
        """Rights and owners of what both have by the same name."""
        with self._connected(self._live) as live, self._connected(self._copy) as copy:
            yield from carried(live, copy)

    def swap(self, now: datetime, *, end_sessions: bool) -> Swapped:
        """Rename both in one transaction, and give the copy live's comment, settings, rights and owner."""
        kept = kept_name(self._live, now, _LONGEST)
        with self._connected() as session:
            side, live = (self._row(session, name) for name in (self._copy, self._live))
            if side is None or live is None:
                raise CannotCheck("one of both databases is gone", "look at the server, and begin again")
            mark = {"live": self._live, "side": self._copy, "mark": side[2], "at": now.isoformat(timespec="seconds")}
            statements = [
                *_renamed(self._live, kept), *_renamed(self._copy, self._live),
                _commented(self._live, live[2]), _commented(kept, KEPT + json.dumps(mark)),
                *self._settings(session, side, live),
            ]  # fmt: skip
            ended = self._run(session, statements, end_sessions=end_sessions)
        steps = (
            f"{self._live} renamed to {kept}",
            f"{self._copy} renamed to {self._live}",
            "settings and rights given",
        )
        return Swapped(kept_as=kept, ended=ended, steps=steps)

    def _settings(
        self, session: psycopg.Connection[Any], side: Sequence[Any], live: Sequence[Any]
    ) -> Iterator[sql.Composed]:
        """What live has been given as a database: settings, rights, owner, a limit."""
        name = sql.Identifier(self._live)
        yield sql.SQL("ALTER DATABASE {} CONNECTION LIMIT {}").format(name, sql.Literal(live[4]))
        for role, setting in session.execute(_SETTINGS, (self._live,)).fetchall():
            yield _set(name, role, str(setting))
        yield sql.SQL("REVOKE ALL ON DATABASE {} FROM PUBLIC").format(name)
        for grantee, right, grantable in session.execute(_RIGHTS, (self._live,)).fetchall():
            yield sql.SQL("GRANT {} ON DATABASE {} TO {}{}").format(
                sql.SQL(right), name, sql.Identifier(grantee) if grantee else sql.SQL("PUBLIC"),
                sql.SQL(" WITH GRANT OPTION" if grantable else ""),
            )  # fmt: skip
        if side[3] != live[3]:
            yield sql.SQL("ALTER DATABASE {} OWNER TO {}").format(name, sql.Identifier(live[3]))

    def _run(self, session: psycopg.Connection[Any], statements: Sequence[sql.Composed], *, end_sessions: bool) -> int:
        """All statements in one transaction; how many sessions were ended for it."""
        ended = 0
        for left in range(_TRIES, 0, -1):
            if not end_sessions and (found := settled(lambda: tuple(self._sessions(session)), bool)):
                raise _in_use(found)
            try:
                with session.transaction():
                    # Whoever comes between the end of all sessions and the renaming makes the server refuse it.
                    if end_sessions:
                        row = session.execute(_END, (self._both,)).fetchone()
                        ended += int(row[0]) if row else 0
                    for statement in statements:
                        session.execute(statement)
                return ended
            except psycopg.errors.ObjectInUse as error:
                if left == 1:
                    raise CannotCheck(
                        f"sessions come back while they are ended: {one_line(error)}",
                        "stop what connects to it, or ALTER DATABASE ... ALLOW_CONNECTIONS false, and try again",
                    ) from error
            except psycopg.Error as error:
                raise CannotCheck(
                    f"nothing was changed: {one_line(error)}",
                    "renaming needs the owner of both databases, or a superuser",
                ) from error
        return ended

    def back(self, *, end_sessions: bool) -> Swapped:
        """Rename both back, by what the mark on the kept one says."""
        with self._connected() as session:
            name, said = _kept(session, self._live)
            live = self._row(session, self._live)
            self._copy = name
            side = str(said["side"])
            statements: list[sql.Composed] = []
            if live is not None:
                statements += [*_renamed(self._live, side), _commented(side, said["mark"])]
            statements += [*_renamed(name, self._live), _commented(self._live, live[2] if live else None)]
            ended = self._run(session, statements, end_sessions=end_sessions)
        steps = (f"{self._live} renamed to {side}", f"{name} renamed to {self._live}")
        return Swapped(kept_as=side, ended=ended, steps=steps)


def _kept(session: psycopg.Connection[Any], live: str) -> tuple[str, dict[str, Any]]:
    """The newest database that was kept when another took this name, and what its mark says."""
    query = "SELECT datname, shobj_description(oid, 'pg_database') FROM pg_database"
    found = []
    for name, text in session.execute(query).fetchall():
        if str(text or "").startswith(KEPT):
            with suppress(ValueError, KeyError, TypeError):
                said = json.loads(str(text).removeprefix(KEPT))
                if said["live"] == live:
                    found.append((str(said["at"]), str(name), said))
    if not found:
        raise NotFound(
            f"nothing was kept of {live}: no handover to it is on this server", "sospes handover SIDE --live NAME"
        )
    _, name, said = max(found, key=lambda one: one[0])
    return name, said


def _in_use(sessions: Sequence[Session]) -> CannotCheck:
    told = ", ".join(f"{session.count} of {session.user} by {session.program}" for session in sessions[:4])
    return still_open(sessions, f": {told}")


def _renamed(name: str, new: str) -> Iterator[sql.Composed]:
    yield sql.SQL("ALTER DATABASE {} RENAME TO {}").format(sql.Identifier(name), sql.Identifier(new))


def _commented(name: str, text: object) -> sql.Composed:
    return sql.SQL("COMMENT ON DATABASE {} IS {}").format(sql.Identifier(name), sql.Literal(text))


def _set(name: sql.Identifier, role: str | None, setting: str) -> sql.Composed:
    """A setting of a database, or of a role in it."""
    parameter, _, value = setting.partition("=")
    said = sql.SQL(value or "''") if parameter in _LISTS else sql.Literal(value)
    whose = sql.SQL("DATABASE {}").format(name)
    if role is not None:
        whose = sql.SQL("ROLE {} IN DATABASE {}").format(sql.Identifier(role), name)
    parts = sql.SQL(".").join(map(sql.Identifier, parameter.split(".")))
    return sql.SQL("ALTER {} SET {} = {}").format(whose, parts, said)


def _inside(live: psycopg.Connection[Any], copy: psycopg.Connection[Any]) -> Iterator[Finding]:
    """What the databases have themselves: extensions, publications."""
    mine, theirs = (dict(one.execute(_EXTENSIONS).fetchall()) for one in (copy, live))
    for name in sorted(theirs.keys() - mine.keys()):
        yield doubt(
            "extension-missing",
            f"live has the extension {name}, the copy hasn't",
            f"if it is needed: CREATE EXTENSION {name} in the copy",
        )
    for name in sorted(name for name in theirs.keys() & mine.keys() if theirs[name] != mine[name]):
        yield note("extension-version", f"the extension {name} is {mine[name]} in the copy, {theirs[name]} in live")
    published, copied = ({str(row[0]) for row in one.execute(_PUBLICATIONS).fetchall()} for one in (live, copy))
    for name in sorted(published - copied):
        yield doubt(
            "publication-missing",
            f"live has the publication {name}, the copy hasn't",
            "make it in the copy, and refresh its subscribers",
        )

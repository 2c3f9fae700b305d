"""Puts a side copy in a live MariaDB database's place, which has no renaming of databases.

Base tables change their database by RENAME TABLE, many in one statement, all or none. Triggers and views don't: they,
routines and events are taken down and made again. So that nobody writes to live without its triggers, its tables
first get other names, by one statement as well; whoever comes meanwhile finds none. A journal in the database that is
kept has all texts from before the first step on. Where a run that ended stood is seen by where the tables are.

Sources: MariaDB Knowledge Base, "RENAME TABLE", "Atomic DDL", "Metadata Locking".
"""

from __future__ import annotations

import json
from collections.abc import Iterator, Sequence
from contextlib import closing, suppress
from dataclasses import asdict, dataclass, replace
from datetime import datetime, timedelta
from typing import Any

import pymysql

from sospes.model.entries import Name
from sospes.model.errors import CannotCheck, NotFound
from sospes.model.findings import Finding, doubt, note
from sospes.sides.mariadb.checks import check_databases
from sospes.sides.mariadb.definitions import Definition, definitions_of, make, take_down
from sospes.sides.mariadb.hosts import marked_databases
from sospes.sides.mariadb.live import ME, connected, one_line
from sospes.sides.servers.address import Address
from sospes.sides.servers.handing import JOURNAL, Look, Session, Swapped, kept_name, own_copy, require_names, still_open
from sospes.sides.servers.marks import MARK_TABLE, Marked, is_signed, signed
from sospes.sides.servers.settling import settled
from sospes.sql.quoting import back_quoted, dotted

_LONGEST = 64
_OWN = frozenset({"mysql", "sys", "information_schema", "performance_schema"})
_NO_SUCH_THREAD = 1094
"""A session that ended by itself."""

_TABLES = """
SELECT TABLE_NAME FROM information_schema.TABLES WHERE TABLE_SCHEMA = %s
AND TABLE_TYPE IN ('BASE TABLE', 'SYSTEM VERSIONED', 'SEQUENCE') AND TABLE_NAME NOT IN (%s, %s) ORDER BY 1
"""
_SESSIONS = """
SELECT DB, USER, SUBSTRING_INDEX(HOST, ':', 1), COUNT(*) FROM information_schema.PROCESSLIST
WHERE DB IN (%s, %s) AND ID <> CONNECTION_ID() GROUP BY 1, 2, 3 ORDER BY 4 DESC, 1, 2, 3
"""
_IDS = "SELECT ID FROM information_schema.PROCESSLIST WHERE DB IN (%s, %s) AND ID <> CONNECTION_ID()"
_SIZE = "SELECT SUM(DATA_LENGTH + INDEX_LENGTH) FROM information_schema.TABLES WHERE TABLE_SCHEMA = %s"
_REFERENCES = """
SELECT DISTINCT TABLE_SCHEMA, TABLE_NAME, CONSTRAINT_NAME FROM information_schema.KEY_COLUMN_USAGE
WHERE REFERENCED_TABLE_SCHEMA = %s AND TABLE_SCHEMA <> %s
"""
_VIEWS = """
SELECT TABLE_SCHEMA, TABLE_NAME FROM information_schema.VIEWS
WHERE TABLE_SCHEMA NOT IN (%s, %s) AND INSTR(VIEW_DEFINITION, %s) > 0
"""
_RIGHTS = "SELECT COUNT(*) FROM information_schema.SCHEMA_PRIVILEGES WHERE TABLE_SCHEMA = %s"
_DATABASE = """
SELECT DEFAULT_CHARACTER_SET_NAME, DEFAULT_COLLATION_NAME FROM information_schema.SCHEMATA WHERE SCHEMA_NAME = %s
"""
_MAY_SET_DEFINERS = f"""
SELECT COUNT(*) FROM information_schema.USER_PRIVILEGES WHERE {ME} AND PRIVILEGE_TYPE IN ('SUPER', 'SET USER')
"""


@dataclass(frozen=True, slots=True, kw_only=True)
class _Plan:
    """What a handover is about, as its journal has it: names, and all texts of before."""

    live: str
    side: str
    kept: str
    at: str
    live_tables: tuple[str, ...]
    side_tables: tuple[str, ...]
    live_definitions: tuple[Definition, ...]
    side_definitions: tuple[Definition, ...]


class MariadbHanding:
    """The side copy of an address, and the live database of the same server by its name."""

    def __init__(self, side: Address, live: str) -> None:
        self._address = replace(side, database=None)
        self._side, self._live = side, live
        self._copy = side.database or ""

    def _connected(self) -> pymysql.Connection[Any]:
        session = connected(self._address)
        with session.cursor() as cursor:
            cursor.execute("SET SESSION foreign_key_checks = 0, lock_wait_timeout = 15")
        return session

    def look(self) -> Look:
        """Both databases, who is connected, and what depends on live's name."""
        require_names(self._side, self._live, _OWN)
        marked = own_copy(marked_databases(self._address).marked, self._copy)
        with closing(self._connected()) as session, session.cursor() as cursor:
            if _one(cursor, _DATABASE, self._live) is None:
                raise NotFound(f"{self._live}: there is no such database on the server", "check the name after --live")
            sizes = [int((_one(cursor, _SIZE, name) or [0])[0] or 0) for name in (self._live, self._copy)]
            sessions = settled(lambda: tuple(self._sessions(cursor)), bool)
            findings = tuple(self._of_name(cursor))
        return Look(marked=marked, live_bytes=sizes[0], side_bytes=sizes[1], sessions=sessions, findings=findings)

    def _sessions(self, cursor: Any) -> Iterator[Session]:
        cursor.execute(_SESSIONS, (self._live, self._copy))
        for database, user, where, count in cursor.fetchall():
            yield Session(
                database=str(database),
                user=str(user),
                program="a client",
                where=str(where),
                count=int(count),
                since=None,
            )

    def _of_name(self, cursor: Any) -> Iterator[Finding]:
        """What goes by live's name, or stays with its tables, elsewhere on the server."""
        cursor.execute(_REFERENCES, (self._live, self._live))
        for database, table, key in cursor.fetchall():
            yield doubt(
                "depends-on-live",
                f"the key {key} of {database}.{table} refers to {self._live}, and follows the old tables",
                "drop it first, and add it again afterwards",
            )
        cursor.execute(_VIEWS, (self._live, self._copy, back_quoted(self._live) + "."))
        for database, view in cursor.fetchall():
            yield note(
                "depends-on-live", f"the view {database}.{view} reads {self._live} by name: it will read the copy"
            )
        rights = int((_one(cursor, _RIGHTS, self._live) or [0])[0])
        yield note(
            "rights-stay",
            f"{rights:,} rights to {self._live} as a database stay with its name, as those to its tables do; to what "
            "is kept nobody has any, but by rights to all databases",
        )

    def check(self) -> Iterator[Finding]:
        """The server's checks of all that is in the copy."""
        with closing(self._connected()) as session:
            with session.cursor() as cursor:
                rows = {}
                for table in _tables(cursor, self._copy):
                    counted = _one(cursor, f"SELECT COUNT(*) FROM {dotted(back_quoted, self._copy, table)}")
                    rows[Name(None, None, table)] = int((counted or [0])[0])
            yield from check_databases(session, {None: self._copy}, rows)

    def carry(self) -> Iterator[Finding]:
        """Nothing: rights stay with the names, which the copy takes."""
        return iter(())

    def swap(self, now: datetime, *, end_sessions: bool) -> Swapped:
        """Move the tables of both, and make again what doesn't move. One that a killed run began goes on."""
        with closing(self._connected()) as session, session.cursor() as cursor:
            plan = self._begun(cursor)
            try:
                if plan is None:
                    plan = self._planned(session, cursor, now)
                    ended = self._end_sessions(cursor, end_sessions=end_sessions)
                    _write(cursor, plan, self._address)
                    _tried(session, cursor, plan)
                else:
                    ended = self._end_sessions(cursor, end_sessions=end_sessions)
                steps = list(_forward(session, cursor, plan))
            except pymysql.Error as error:
                raise _stopped(plan, error) from error
        return Swapped(kept_as=plan.kept, ended=ended, steps=tuple(steps))

    def begun(self) -> bool:
        """Whether a handover of this very copy was begun, and has not ended."""
        with closing(self._connected()) as session, session.cursor() as cursor:
            return self._begun(cursor) is not None

    def _begun(self, cursor: Any) -> _Plan | None:
        """A handover of this very copy that has not ended."""
        return next(
            (plan for plan, done in _journals(cursor, self._address) if plan.side == self._copy and not done), None
        )

    def _planned(self, session: pymysql.Connection[Any], cursor: Any, now: datetime) -> _Plan:
        mine = definitions_of(session, self._live)
        self._require_definers(cursor, mine)
        definers = {(one.kind, one.name): one for one in mine}
        theirs = []
        for one in definitions_of(session, self._copy):
            before = definers.get((one.kind, one.name))
            made = one.as_of(before.definer if before is not None else None)
            theirs.append(made.awake() if before is not None and before.enabled else made)
        return _Plan(
            live=self._live, side=self._copy, kept=self._free_name(cursor, now),
            at=now.isoformat(timespec="seconds"), live_tables=tuple(_tables(cursor, self._live)),
            side_tables=tuple(_tables(cursor, self._copy)), live_definitions=tuple(mine),
            side_definitions=tuple(theirs),
        )  # fmt: skip

    def _free_name(self, cursor: Any, now: datetime) -> str:
        """A dated name that no database has: a run that was ended a moment ago may have left one of this second."""
        while _one(cursor, _DATABASE, name := kept_name(self._live, now, _LONGEST)) is not None:
            now += timedelta(seconds=1)
        return name

    def _require_definers(self, cursor: Any, definitions: Sequence[Definition]) -> None:
        """Raises CannotCheck where this user may not make again what runs as others."""
        may = int((_one(cursor, _MAY_SET_DEFINERS) or [0])[0])
        user = str((_one(cursor, "SELECT CURRENT_USER()") or [""])[0])
        mine = "DEFINER=" + "@".join(map(back_quoted, user.rsplit("@", 1)))
        others = sorted({one.definer for one in definitions if one.definer not in {None, mine}}, key=str)
        if others and not may:
            raise CannotCheck(
                f"nothing was changed: what {self._live} has runs as others ({', '.join(map(str, others))}), and this "
                "user may not make such again",
                "GRANT SET USER ON *.* TO the user, or use one who may",
            )

    def _end_sessions(self, cursor: Any, *, end_sessions: bool) -> int:
        found = () if end_sessions else settled(lambda: tuple(self._sessions(cursor)), bool)
        if found:
            raise still_open(found)
        cursor.execute(_IDS, (self._live, self._copy))
        ended = 0
        for (number,) in cursor.fetchall():
            try:
                cursor.execute(f"KILL CONNECTION {int(number)}")
                ended += 1
            except pymysql.Error as error:
                if error.args[0] != _NO_SUCH_THREAD:
                    raise
        return ended

    def back(self, *, end_sessions: bool) -> Swapped:
        """Put what was live before back, from wherever a handover stands."""
        with closing(self._connected()) as session, session.cursor() as cursor:
            found = [plan for plan, _ in _journals(cursor, self._address) if plan.live == self._live]
            if not found:
                raise NotFound(
                    f"nothing was kept of {self._live}: no handover to it is on this server",
                    "sospes handover SIDE --live NAME",
                )
            plan = max(found, key=lambda one: one.at)
            self._copy = plan.kept
            ended = self._end_sessions(cursor, end_sessions=end_sessions)
            try:
                steps = list(_backward(session, cursor, plan))
            except pymysql.Error as error:
                raise _stopped(plan, error) from error
        return Swapped(kept_as=plan.side, ended=ended, steps=tuple(steps))


def _stopped(plan: _Plan | None, error: pymysql.Error) -> CannotCheck:
    """What is said where the server refuses a step: where it stands, and both ways on."""
    if plan is None:
        return CannotCheck(f"nothing was changed: {one_line(error)}", "docs/servers.md has the rights that are needed")
    return CannotCheck(
        f"the handover of {plan.side} to {plan.live} stopped: {one_line(error)}",
        f"run it again to go on; or take it back: sospes handover URL --live {plan.live} --back --confirm {plan.live}",
    )


def _one(cursor: Any, query: str, *values: object) -> Sequence[Any] | None:
    cursor.execute(query, values or None)
    row: Sequence[Any] | None = cursor.fetchone()
    return row


def _tables(cursor: Any, database: str) -> list[str]:
    """Base tables and sequences of a database, without our own."""
    cursor.execute(_TABLES, (database, MARK_TABLE, JOURNAL))
    return [str(row[0]) for row in cursor.fetchall()]


def _rename(cursor: Any, moves: Sequence[tuple[tuple[str, str], tuple[str, str]]]) -> None:
    """Give tables other names and databases, all in one statement."""
    if moves:
        told = ", ".join(f"{dotted(back_quoted, *one)} TO {dotted(back_quoted, *other)}" for one, other in moves)
        cursor.execute(f"RENAME TABLE {told}")


def _moved(*moves: tuple[str, str, int]) -> str:
    """What is said of tables that changed their databases."""
    return ", ".join(f"{count:,} tables of {source} moved to {target}" for source, target, count in moves)


def _hidden(number: int) -> str:
    """What a table of live is called while its triggers are taken down: nobody asks for that."""
    return f"sospes_handover_{number}"


def _write(cursor: Any, plan: _Plan, address: Address) -> None:
    """Make the database that keeps what was live, with the journal in it, before anything else is done."""
    row = _one(cursor, _DATABASE, plan.live) or ("utf8mb4", "utf8mb4_general_ci")
    cursor.execute(f"CREATE DATABASE {back_quoted(plan.kept)} CHARACTER SET {row[0]} COLLATE {row[1]}")
    table = dotted(back_quoted, plan.kept, JOURNAL)
    columns = "plan LONGTEXT, signature VARCHAR(64), done INT NOT NULL, hidden LONGTEXT"
    cursor.execute(f"CREATE TABLE {table} ({columns}) CHARACTER SET utf8mb4")
    text = json.dumps(asdict(plan))
    cursor.execute(f"INSERT INTO {table} VALUES (%s, %s, 0, NULL)", (text, signed(text, address.state)))


def _tried(session: pymysql.Connection[Any], cursor: Any, plan: _Plan) -> None:
    """Make live's routines where they will be kept: what this user may not make is seen before anything is moved."""
    routines = [one for one in plan.live_definitions if one.kind in {"function", "procedure"}]
    if refused := list(make(session, plan.kept, routines)):
        cursor.execute(f"DROP DATABASE {back_quoted(plan.kept)}")
        raise CannotCheck(
            f"nothing was changed: this user may not make what live has: {'; '.join(refused)}",
            "docs/servers.md has the rights that are needed",
        )


def _journals(cursor: Any, address: Address) -> Iterator[tuple[_Plan, bool]]:
    """The handovers that this user's Sospes made on a server, and whether each has ended."""
    cursor.execute("SELECT TABLE_SCHEMA FROM information_schema.TABLES WHERE TABLE_NAME = %s", (JOURNAL,))
    for (database,) in cursor.fetchall():
        row = None
        with suppress(pymysql.Error):  # another user's, whose tables this one may not read
            row = _one(cursor, f"SELECT plan, signature, done FROM {dotted(back_quoted, str(database), JOURNAL)}")
        if row is not None and is_signed(str(row[0]), str(row[1]), address.state):
            said = json.loads(str(row[0]))
            for key in ("live_definitions", "side_definitions"):
                said[key] = tuple(Definition(**one) for one in said[key])
            for key in ("live_tables", "side_tables"):
                said[key] = tuple(said[key])
            yield _Plan(**said), bool(int(row[2]))


def _is_moved(cursor: Any, plan: _Plan) -> bool:
    """Whether the tables have changed places: that is one statement, so that one of them tells of all."""
    if plan.live_tables:
        return plan.live_tables[0] in _tables(cursor, plan.kept)
    return not set(plan.side_tables) & set(_tables(cursor, plan.side))


def _forward(session: pymysql.Connection[Any], cursor: Any, plan: _Plan) -> Iterator[str]:
    """All steps from where it stands."""
    if not _is_moved(cursor, plan):
        # A run that ended here may have hidden them already; their numbers are those of the journal.
        names = {table: _hidden(number) for number, table in enumerate(plan.live_tables)}
        there = set(_tables(cursor, plan.live))
        _rename(cursor, [((plan.live, one), (plan.live, new)) for one, new in names.items() if one in there])
        yield f"tables of {plan.live} put out of writers' reach"
        # The server moves no table to another database as long as it has triggers.
        take_down(session, plan.live, plan.live_definitions)
        take_down(session, plan.side, plan.side_definitions)
        _rename(
            cursor,
            [
                *(((plan.live, new), (plan.kept, one)) for one, new in names.items()),
                *(((plan.side, table), (plan.live, table)) for table in plan.side_tables),
            ],
        )
        yield _moved((plan.live, plan.kept, len(plan.live_tables)), (plan.side, plan.live, len(plan.side_tables)))
    refused = list(make(session, plan.live, plan.side_definitions))
    if refused:
        raise pymysql.err.OperationalError(0, f"not all could be made again in {plan.live}: {'; '.join(refused)}")
    # Events stay out of what is kept: they would run there beside those of the copy.
    kept = [one for one in plan.live_definitions if one.kind != "event"]
    left = list(make(session, plan.kept, kept))
    yield f"{len(plan.side_definitions)} triggers, views, routines and events made again in {plan.live}"
    if left:
        yield f"in {plan.kept} left out, and kept as text in {JOURNAL}: {'; '.join(left)}"
    cursor.execute(f"UPDATE {dotted(back_quoted, plan.kept, JOURNAL)} SET done = 1")


def _all_hidden(cursor: Any, plan: _Plan) -> dict[str, str]:
    """Put all tables that live has now out of writers' reach; what each was called, and is. Noted before it is done."""
    journal = dotted(back_quoted, plan.kept, JOURNAL)
    there = _tables(cursor, plan.live)
    noted = _one(cursor, f"SELECT hidden FROM {journal}") or [None]
    hidden: dict[str, str] = json.loads(str(noted[0])) if noted[0] else {}
    if not any(name in hidden.values() for name in there):
        hidden = {one: _hidden(number) for number, one in enumerate(there)}
        cursor.execute(f"UPDATE {journal} SET hidden = %s", (json.dumps(hidden),))
        _rename(cursor, [((plan.live, one), (plan.live, new)) for one, new in hidden.items()])
    return hidden


def _backward(session: pymysql.Connection[Any], cursor: Any, plan: _Plan) -> Iterator[str]:
    """All steps back from where it stands."""
    cursor.execute(f"UPDATE {dotted(back_quoted, plan.kept, JOURNAL)} SET done = 0")
    if _is_moved(cursor, plan):
        hidden = _all_hidden(cursor, plan)
        yield f"tables of {plan.live} put out of writers' reach"
        take_down(session, plan.live, definitions_of(session, plan.live))
        take_down(session, plan.kept, definitions_of(session, plan.kept))
        cursor.execute(f"CREATE DATABASE IF NOT EXISTS {back_quoted(plan.side)}")
        _rename(
            cursor,
            [
                *(((plan.live, new), (plan.side, one)) for one, new in hidden.items()),
                *(((plan.kept, table), (plan.live, table)) for table in plan.live_tables),
            ],
        )
        yield _moved((plan.live, plan.side, len(hidden)), (plan.kept, plan.live, len(plan.live_tables)))
    else:
        there = set(_tables(cursor, plan.live))
        names = {_hidden(number): table for number, table in enumerate(plan.live_tables)}
        _rename(cursor, [((plan.live, new), (plan.live, one)) for new, one in names.items() if new in there])
        yield f"tables of {plan.live} have their names"
    refused = list(make(session, plan.live, plan.live_definitions))
    if refused:
        raise pymysql.err.OperationalError(0, f"not all could be made again in {plan.live}: {'; '.join(refused)}")
    left = list(make(session, plan.side, [one.asleep() for one in plan.side_definitions]))
    yield f"{len(plan.live_definitions)} triggers, views, routines and events made again in {plan.live}"
    if left:
        yield f"in {plan.side} left out: {'; '.join(left)}"
    if not _tables(cursor, plan.kept):
        cursor.execute(f"DROP DATABASE {back_quoted(plan.kept)}")


def handovers(address: Address) -> list[Marked]:
    """What handovers left on a server: what was live before, and whether one of them was begun and has not ended."""
    with closing(connected(replace(address, database=None))) as session, session.cursor() as cursor:
        return [
            Marked(
                plan.kept, f"{plan.side} for {plan.live}", plan.at, None, in_use=False, signed=False,
                kind="handed over" if done else "unfinished handover",
            )
            for plan, done in _journals(cursor, address)
        ]  # fmt: skip

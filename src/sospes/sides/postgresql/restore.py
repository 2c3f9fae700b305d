"""Restores a stream of events on a PostgreSQL server of our own: statement by statement, rows by COPY.

Two users take part: a restorer without superuser rights, as whom everything runs that could call code of the backup,
and the administrator for statements that only change the catalog.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass, field, replace
from functools import partial

import psycopg
import psycopg.sql
from psycopg.pq import ExecStatus

from sospes.engines.leave import Leave
from sospes.engines.postgresql.guard import EXTENSIONS, leave_of
from sospes.engines.postgresql.left_out import at_home
from sospes.engines.postgresql.rebuilding import rebuilt
from sospes.model.entries import ConstraintKind, Entry, Name
from sospes.model.events import Batch, Event, LargeObjectPart, RowsBegin, RowsEnd
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.model.kinds import Kind
from sospes.model.objects import DatabaseObject, ObjectKey
from sospes.sides.postgresql.checks import check_database
from sospes.sides.postgresql.hosts import PostgresqlHost
from sospes.sides.postgresql.live import one_line, stop_if_outside
from sospes.sides.postgresql.loads import Load, Session
from sospes.sides.postgresql.objects import objects_of
from sospes.sides.servers.hosts import RESTORER, definitions_missing
from sospes.sides.servers.telling import place_of, refusal
from sospes.sides.servers.workers import Workers

_NOT_THERE = frozenset({"42P01", "3F000", "42704", "42883"})
"""A table, a schema, an object or a function that isn't there."""

_NO_VALUE = "22023"
"""A value that a setting can't have, as an access method that isn't there."""

_NOT_ALLOWED = "42501"
_ABORTED = "25P02"
_REACHES = re.compile(
    "pg_(?:execute_server_program|read_server_files|write_server_files)|external program|or from a file"
)
"""Rights that a statement asked for which reaches the server's files or programs."""
_LACKS = re.compile(
    r"security label provider .* is not loaded|collation .* does not exist|could not create locale|"
    r"invalid value for parameter \"default_table_access_method\"|access method .* does not exist|"
    r"unrecognized parameter namespace|unrecognized event name|not supported (?:by|in) this build|"
    r"could not (?:access|load|open) (?:file|library)|extension .* is not available"
)
"""What a server says that lacks something which the backup's own had: a locale, a library, an access method."""

_NO_FILE = "F0000"
"""A file is missing that belongs to the server, as a dictionary."""

_MAY_NOT_SET = re.compile(r'permission denied to set parameter "(.+?)"', re.DOTALL)
_ALONE = "this user may not do so on a server in use; to rehearse it as well, use --side private"
_SUPERUSERS_ONLY = "only a superuser may make it, and nothing of a backup runs as one: try it by hand"
_IDLE = psycopg.pq.TransactionStatus.IDLE
_ROLE_MISSING = re.compile(r'role "(.+?)" does not exist', re.DOTALL)
_SCHEMA_MISSING = re.compile(r'schema "(.+?)" does not exist', re.DOTALL)


_IN_SCHEMAS = frozenset({Kind.TABLE, Kind.SEQUENCE, Kind.TYPE, Kind.DOMAIN, Kind.FUNCTION, Kind.PROCEDURE})
_LATER = frozenset({Kind.INDEX, Kind.CONSTRAINT})
"""Kinds that work on tables with rows, which may take long, and go on beside one another."""

_RESERVED = frozenset({Kind.TYPE, Kind.FUNCTION, Kind.ACCESS_METHOD})
"""Kinds of which some are reserved to superusers: those that can be built anew. They are made behind walls only."""

_KEYS = frozenset({ConstraintKind.PRIMARY, ConstraintKind.UNIQUE, ConstraintKind.EXCLUDE})


@dataclass(slots=True)
class _Side:
    """The connections to one database.

    loads  tables whose rows are on their way in
    later  tables that a worker has definitions to run on, with the worker's number
    """

    restorer: Session
    administrator: Session
    workers: Workers[Session]
    loads: list[Load] = field(default_factory=list)
    later: dict[Name, int] = field(default_factory=dict)
    failed: list[tuple[Entry, psycopg.Error]] = field(default_factory=list)

    @property
    def inline(self) -> bool:
        """Whether a transaction of the backup is open, which other connections see nothing of."""
        return self.restorer.info.transaction_status is not psycopg.pq.TransactionStatus.IDLE

    @property
    def all(self) -> list[Session]:
        """All connections."""
        return [self.restorer, self.administrator, *self.workers.connections]


@dataclass(slots=True)
class PostgresqlRestore:
    """Takes in events; what the server refuses is yielded as findings.

    several  whether statements name the databases that they go into; settings before the first one then end with it
    """

    host: PostgresqlHost
    workers: int
    several: bool
    rows: dict[Name, int] = field(default_factory=dict)
    refused: list[tuple[str, str]] = field(default_factory=list)
    _sides: dict[str, _Side] = field(default_factory=dict)
    _defined: bool = False
    _load: Load | None = None
    _keyed: set[Name] = field(default_factory=set)
    _bound: bool = False
    _large: dict[int, int] = field(default_factory=dict)
    _large_refused: set[int] = field(default_factory=set)
    _last: list[tuple[Entry, str]] = field(default_factory=list)
    _schemas: list[str] = field(default_factory=list)
    _undefined: list[str] = field(default_factory=list)
    _dropping: bool = False
    _moved: int = 0
    _subscriptions: int = 0

    @property
    def version(self) -> str:
        """The server's version."""
        number = next((side.restorer.info.server_version for side in self._sides.values()), 0)
        return f"{number // 10000}.{number % 10000}" if number else ""

    def take(self, event: Event) -> Iterator[Finding]:
        """Carry out one event."""
        if isinstance(event, Entry):
            yield from self._entry(event)
        elif isinstance(event, RowsBegin):
            yield from self._rows_begin(event)
        elif isinstance(event, Batch):
            yield from self._batch(event)
        elif isinstance(event, RowsEnd):
            yield from self._rows_end(event)
        elif isinstance(event, LargeObjectPart):
            yield from self._large_object(event)

    def checked(self) -> Iterator[Finding]:
        """The engine's own checks of all databases, as the restorer; then all is given to its owners."""
        for name, side in self._sides.items():
            side.restorer.execute("RESET ALL")
            side.administrator.execute("RESET ALL")
            rows = {table: count for table, count in self.rows.items() if (table.database or "") == name}
            yield from check_database(side.restorer, rows)
        for entry, encoding in sorted(self._last, key=lambda last: last[0].kind == "event trigger"):
            side = self._side(entry.name.database)
            said = psycopg.sql.SQL("SET client_encoding = {}").format(psycopg.sql.Literal(encoding))
            side.administrator.execute(said)
            yield from self._run_by_leave(side, entry, Leave.LAST)
            if entry.kind == Kind.EVENT_TRIGGER:  # it is there, and runs for nothing that is still to come
                self._silence(side.administrator, entry.name.name)

    def _silence(self, administrator: Session, trigger: str) -> None:
        """Keep an event trigger of the backup from running as whoever does something."""
        with suppress(psycopg.errors.UndefinedObject):
            administrator.execute(
                psycopg.sql.SQL("ALTER EVENT TRIGGER {} DISABLE").format(psycopg.sql.Identifier(trigger))
            )

    def objects(self, database: str | None) -> dict[ObjectKey, DatabaseObject]:
        """What there is now, besides rows, of a database of the backup."""
        if (database or "") not in self._sides:
            return {}
        administrator = self._sides[database or ""].administrator
        administrator.execute("SET search_path = ''")
        return objects_of(administrator)

    def close(self) -> None:
        """Close all connections."""
        for side in self._sides.values():
            for session in side.all:
                session.close()

    def abandon(self) -> None:
        """After an error: stop what still runs, and remove the side copy."""
        for side in self._sides.values():
            for session in side.all:
                if session.info.transaction_status is psycopg.pq.TransactionStatus.ACTIVE:
                    session.cancel()  # the thread that it works for ends with an error that nobody waits for
                else:
                    session.close()
        self.host.remove()

    def summary(self) -> Iterator[Finding]:
        """What was still under way, and what was done otherwise than the backup says."""
        for side in self._sides.values():
            yield from self._settled(side)
        yield from definitions_missing(self._undefined)
        if self._subscriptions:
            yield note(
                "subscriptions-left-out",
                f"{self._subscriptions:,} subscriptions were left out: a side copy must not fetch from live publishers",
                "see to them by hand after a real restore",
            )
        if self._moved:
            yield note(
                "folders-left-out",
                f"{self._moved:,} statements name tablespaces, which were left out: on a side copy all lies together",
                "make the tablespaces before a real restore, or leave them out there, too",
            )
        if self._schemas:
            yield note(
                "schemas-made",
                f"the backup takes schemas for granted, which were made: {', '.join(self._schemas)}",
                "make them first on a real restore",
            )
        yield from self.host.summary()

    def _side(self, database: str | None) -> _Side:
        """The side copy of a database of the backup, made once something goes into it."""
        name = database or ""
        if name not in self._sides:
            administrator, restorer, *rest = self.host.sessions(database, 2 + self.workers)
            self._sides[name] = _Side(restorer, administrator, Workers(rest))
        return self._sides[name]

    def _settled(self, side: _Side) -> Iterator[Finding]:
        """Wait for the workers, and tell what failed."""
        side.workers.settle()
        side.later.clear()
        failed, side.failed = side.failed, []
        for entry, error in failed:
            if self._made_schema(side.restorer, entry, error):
                yield from self._run(side.restorer, entry)
            else:
                yield from filter(None, [self._failure(entry, error)])
        yield from self._arrived(side)

    def _arrived(self, side: _Side) -> Iterator[Finding]:
        """Count the rows that are in."""
        for load in [load for load in side.loads if load.done]:
            side.loads.remove(load)
            table = load.begin.table
            if load.error is not None:
                yield from filter(None, [self._rows_refused(table, load.error)])
            else:
                self.rows[table] = self.rows.get(table, 0) + load.given

    # -- statements

    def _entry(self, entry: Entry) -> Iterator[Finding]:
        """One statement: who runs it, whether it is run now or in the end, and what comes of it."""
        leave = leave_of(entry)
        self._dropping = self._dropping or entry.kind == Kind.DROP
        if leave is Leave.PASSED_OVER or not entry.definition.strip() or entry.kind in {Kind.HOSTILE, Kind.UNKNOWN}:
            return  # the reader has told of hostile and unknown statements
        self._defined = self._defined or entry.kind == Kind.TABLE
        if entry.kind == Kind.SUBSCRIPTION:
            self._subscriptions += 1
            return
        statement = at_home(entry)
        if statement != entry.definition:
            self._moved += 1
            if not statement:
                return
            entry = replace(entry, definition=statement)
        if leave is Leave.OURS or self.host.passes_over(entry):
            self.host.take(entry)
        elif leave is Leave.LAST:
            side = self._side(entry.name.database)
            self._last.append((entry, side.restorer.info.parameter_status("client_encoding") or "UTF8"))
        elif leave is Leave.REFUSED:
            self.refused.append((entry.kind, entry.name.full_label))
            yield refusal(entry, f"statements of the kind {entry.kind} are not run on a side copy")
        elif entry.kind == Kind.EXTENSION and entry.name.name not in EXTENSIONS and not self.host.walls:
            self.refused.append((entry.kind, entry.name.name))
            yield refusal(entry, f"the extension {entry.name.name} is not on the list of those that reach nothing")
        else:
            yield from self._allowed(entry, leave)

    def _allowed(self, entry: Entry, leave: Leave) -> Iterator[Finding]:
        """A statement that the restorer runs, or that is built anew for the administrator."""
        if entry.kind == Kind.SETTING and entry.name.database is None and self.several:
            return
        side = self._side(entry.name.database)
        self._note_keys(entry)
        if entry.kind in _LATER and entry.about is not None and not side.inline:
            yield from self._later(side, entry, entry.about)
            return
        yield from self._settled(side)
        yield from self._run_by_leave(side, entry, leave)
        if entry.kind == Kind.SETTING and not side.inline:
            self._settle_others(side, entry)

    def _settle_others(self, side: _Side, entry: Entry) -> None:
        """Let a setting hold for the other connections; what failed was told of the first one."""
        anew = rebuilt(entry)
        others: list[tuple[Session, bytes | None]] = [(session, None) for session in side.workers.connections]
        if anew is not None:
            others.insert(0, (side.administrator, self._administered(anew)))
        for session, text in others:
            for _ in self._run(session, entry, text):
                pass

    def _run_by_leave(self, side: _Side, entry: Entry, leave: Leave) -> Iterator[Finding]:
        """Run what can be built anew and needs it on the administrator's connection, all else on the restorer's."""
        needs = bool(self.host.walls) if entry.kind in _RESERVED else leave in {Leave.ADMINISTRATOR, Leave.LAST}
        anew = rebuilt(entry) if needs else None
        if anew is None:
            yield from self._run(side.restorer, entry)
        else:
            yield from self._run(side.administrator, entry, self._administered(anew))
            if entry.kind == Kind.SERVER and self.host.walls:
                self._let_use(side.administrator, entry.name.name)

    def _let_use(self, administrator: Session, server: str) -> None:
        """Let the restorer make foreign tables of a server that was made for it; walls keep it from reaching any."""
        names = map(psycopg.sql.Identifier, (server, RESTORER))
        with suppress(psycopg.errors.UndefinedObject):  # it could not be made, as told
            administrator.execute(psycopg.sql.SQL("GRANT USAGE ON FOREIGN SERVER {} TO {}").format(*names))

    def _administered(self, anew: bytes) -> bytes | None:
        """What the administrator's connection runs in a statement's place: on a server in use it is nobody with more
        rights than the restorer, and runs the statement itself."""
        return None if self.host.folder is None else anew

    def _note_keys(self, entry: Entry) -> None:
        """Rows behind keys go in by one connection, and behind references and triggers one table after the other."""
        kinds = {constraint.kind for constraint in entry.constraints}
        if kinds & _KEYS or entry.kind == Kind.INDEX:
            self._keyed.add(entry.subject)
        self._bound = self._bound or ConstraintKind.FOREIGN in kinds or entry.kind in {Kind.TRIGGER, Kind.RULE}

    def _later(self, side: _Side, entry: Entry, table: Name) -> Iterator[Finding]:
        """Hand a definition to a worker: always the one that has earlier ones on the same tables."""
        if side.loads:
            yield from self._settled(side)
        tables = {table, *(one.references for one in entry.constraints if one.references is not None)}
        having = {side.later[name] for name in tables if name in side.later}
        if len(having) > 1:
            yield from self._settled(side)
            having = set()
        worker = having.pop() if having else side.workers.quietest()
        side.later.update(dict.fromkeys(tables, worker))
        side.workers.submit(worker, partial(_define, side, entry))

    def _run(self, session: Session, entry: Entry, anew: bytes | None = None, tries: int = 8) -> Iterator[Finding]:
        """Run a statement, or what was built anew of it, which comes as one statement only."""
        try:
            if anew is not None:
                _one_statement(session, anew)
            else:
                session.execute(entry.definition)
        except psycopg.Error as error:
            if tries and self._helped(session, entry, error):
                yield from self._run(session, entry, anew, tries - 1)
            elif not _harmless(entry, error):
                yield from filter(None, [self._failure(entry, error)])

    def _helped(self, session: Session, entry: Entry, error: psycopg.Error) -> bool:
        """Whether what a statement took for granted is there now: a role, a schema, the right to set something."""
        missing, kept = _ROLE_MISSING.search(str(error)), _MAY_NOT_SET.search(str(error))
        return (
            (missing is not None and self.host.make_role(missing[1]))
            or (kept is not None and self.host.let_set(kept[1]))
            or self._made_schema(session, entry, error)
        )

    def _made_schema(self, session: Session, entry: Entry, error: psycopg.Error) -> bool:
        """Make a schema that a backup of single tables takes for granted."""
        missing = _SCHEMA_MISSING.search(str(error))
        if (
            missing is None
            or entry.kind not in _IN_SCHEMAS
            or missing[1] in self._schemas
            or session.info.transaction_status is not _IDLE
        ):
            return False
        self._schemas.append(missing[1])
        session.execute(psycopg.sql.SQL("CREATE SCHEMA {}").format(psycopg.sql.Identifier(missing[1])))
        return True

    def _failure(self, entry: Entry, error: psycopg.Error) -> Finding | None:
        """What a failed statement says of the backup: a fault, a doubt if the cause lies elsewhere, or nothing yet."""
        called, place = _called(entry), place_of(entry)
        said = f"{called}: the server says: {one_line(error)[:300]}"
        if _is_lacking(error):
            self.refused.append((entry.kind, entry.name.full_label))
            return doubt(
                "server-lacks",
                f"{called}: this server lacks what it needs: {one_line(error)[:300]}",
                "nothing is decided about it here: rehearse on a machine that has it, or install it on this one",
                place,
            )
        stop_if_outside(error)
        if error.sqlstate == _ABORTED:
            passed_over = f"{called}: did not run, since an earlier statement of its transaction failed"
            return note("statement-passed-over", passed_over, "", place)
        if self.refused and (
            error.sqlstate in _NOT_THERE or (entry.kind == Kind.SETTING and error.sqlstate == _NO_VALUE)
        ):
            kind, name = self.refused[0]
            advice = f"it may need what the guard refused ({kind} {name}), so nothing is decided"
            return doubt("statement-failed", said, advice, place)
        if self._dropping and not self._defined and entry.kind == Kind.VIEW:
            return None  # what drops a loop of views replaces them first
        if not self._defined and error.sqlstate in _NOT_THERE:
            self._undefined.append(called)
            return None
        if self._schemas and error.sqlstate in _NOT_THERE:
            advice = "the backup is of single tables and takes other things for granted: rehearse one that has them all"
            return doubt("definition-missing", said, advice, place)
        if _reaches(error):
            return _hostile(called, error, place)
        if error.sqlstate == _NOT_ALLOWED:
            self.refused.append((entry.kind, entry.name.full_label))
            return doubt("statement-refused", said, _ALONE if self.host.folder is None else _SUPERUSERS_ONLY, place)
        if _ROLE_MISSING.search(str(error)):
            advice = "no roles are made on a server in use: make it there yourself, or use --side private"
            return doubt("role-missing", f"{called}: {one_line(error)[:300]}", advice, place)
        return fault(
            "statement-failed", said, "on a real restore it would fail as well; the rest was restored without it", place
        )

    # -- rows

    def _rows_begin(self, event: RowsBegin) -> Iterator[Finding]:
        """Rows of a table begin: what was under way for later is settled first where they depend on it."""
        side = self._side(event.table.database)
        if side.inline or self._bound or side.later:
            yield from self._settled(side)
        self._load = Load(event, side.inline)
        if side.inline:
            self._load.open(side.restorer, 0)

    def _batch(self, batch: Batch) -> Iterator[Finding]:
        """Some rows on their way."""
        load = self._load
        if load is None:
            return
        side = self._side(load.begin.table.database)
        if load.inline:
            load.given += batch.rows
            load.write(side.restorer, 0, batch)
        else:
            load.put(side.workers, batch, spread=load.begin.table not in self._keyed and not self._bound)
        yield from self._arrived(side)

    def _rows_end(self, event: RowsEnd) -> Iterator[Finding]:
        """Rows of a table end: they are there now, or the server has refused them."""
        load, self._load = self._load, None
        if load is None:
            return
        side = self._side(event.table.database)
        side.loads.append(load)
        if load.inline:
            load.close(side.restorer, 0)
        else:
            load.end(side.workers)
        if self._bound:
            yield from self._settled(side)
        yield from self._arrived(side)

    def _large_object(self, part: LargeObjectPart) -> Iterator[Finding]:
        """Put bytes behind those that a large object of an archive has; it is made if no definition did."""
        if part.number in self._large_refused:
            return
        session = self._side(None).restorer
        done = self._large.get(part.number)
        try:
            if done is None:
                known = session.execute("SELECT FROM pg_largeobject_metadata WHERE oid = %s", (part.number,)).fetchone()
                if known is None:
                    session.execute("SELECT pg_catalog.lo_create(%s)", (part.number,))
            if part.data:
                session.execute("SELECT pg_catalog.lo_put(%s, %s, %b)", (part.number, done or 0, part.data))
            self._large[part.number] = (done or 0) + len(part.data)
        except psycopg.Error as error:
            stop_if_outside(error)
            self._large_refused.add(part.number)
            yield fault(
                "rows-refused",
                f"large object {part.number}: the server refuses its data: {one_line(error)[:300]}",
                "on a real restore it would be lacking as well",
            )

    def _rows_refused(self, table: Name, error: psycopg.Error) -> Finding | None:
        """What refused rows say of the backup."""
        stop_if_outside(error)
        place = Place(database=table.database, schema=table.schema, table=table.name)
        if not self._defined:
            self._undefined.append(f"rows of {table.label}")
            return None
        if self.refused and error.sqlstate in _NOT_THERE:
            kind, name = self.refused[0]
            return doubt(
                "rows-refused",
                f"{table.label}: the server refuses its rows: {one_line(error)[:300]}",
                f"the table may need what was not made ({kind} {name}), so nothing is decided",
                place,
            )
        if _reaches(error):
            return _hostile(f"code that runs for rows of {table.label}", error, place)
        return fault(
            "rows-refused",
            f"{table.label}: the server refuses its rows: {one_line(error)[:300]}",
            "on a real restore the table would stay without these rows",
            place,
        )


def _define(side: _Side, entry: Entry, session: Session) -> None:
    """A worker's job: run a definition."""
    try:
        session.execute(entry.definition)
    except psycopg.Error as error:
        side.failed.append((entry, error))


def _is_lacking(error: psycopg.Error) -> bool:
    """Whether a statement failed for what this server lacks, which says nothing of the backup."""
    return error.sqlstate == _NO_FILE or _LACKS.search(str(error)) is not None


def _reaches(error: psycopg.Error) -> bool:
    """Whether somebody without rights was kept from files or programs of the machine."""
    return error.sqlstate == _NOT_ALLOWED and _REACHES.search(str(error)) is not None


def _hostile(what: str, error: psycopg.Error, place: Place) -> Finding:
    """What a backup does that reaches outside of its database."""
    return fault(
        "hostile-statement",
        f"{what}: reaches outside of the database, which the server refused: {one_line(error)[:200]}",
        "do not restore it as a superuser; find out who could write to this backup",
        place,
    )


def _one_statement(session: Session, text: bytes) -> None:
    """Run a statement by the protocol that takes one only, so that nothing can come along with it."""
    result = session.pgconn.exec_params(text, None)
    if result.status not in {ExecStatus.COMMAND_OK, ExecStatus.TUPLES_OK, ExecStatus.EMPTY_QUERY}:
        raise psycopg.errors.error_from_result(result, encoding=session.info.encoding)


def _harmless(entry: Entry, error: psycopg.Error) -> bool:
    """A schema that every new database has; what is about the database itself; settings that other servers know."""
    if entry.kind == Kind.SCHEMA and entry.name.name == "public":
        return error.sqlstate == "42P06"
    return error.sqlstate == "3D000" or (entry.kind == Kind.SETTING and error.sqlstate == "42704")


def _called(entry: Entry) -> str:
    """What a statement is about, as people say it."""
    label = entry.name.label
    return label if label.startswith(f"{entry.kind} ") else f"{entry.kind} {label}"

"""Restores a stream of events on a MariaDB server: statement by statement, rows in bulk by several connections."""

from __future__ import annotations

import re
from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass, field
from functools import partial

import pymysql

from sospes.engines.leave import Leave
from sospes.engines.mariadb.guard import leave_of
from sospes.model.entries import ConstraintKind, Entry, Name
from sospes.model.events import Batch, Event, RowsBegin, RowsEnd
from sospes.model.findings import Finding, Place, doubt, fault
from sospes.model.kinds import Kind
from sospes.model.objects import DatabaseObject, ObjectKey
from sospes.sides.mariadb.checks import check_databases, replaced_engines
from sospes.sides.mariadb.hosts import MariadbHost, Session
from sospes.sides.mariadb.live import one_line, stop_if_outside
from sospes.sides.mariadb.objects import objects_of
from sospes.sides.servers.hosts import definitions_missing
from sospes.sides.servers.inserts import statements_of
from sospes.sides.servers.telling import place_of, refusal
from sospes.sides.servers.workers import Workers

_NOT_HERE = frozenset({1193, 1231, 1227, 1273, 1115})
"""A setting, a value of one, a right for one, a collation, a character set that this server doesn't have."""

_NO_TABLE = frozenset({1146, 1049})
_BLOCKED = frozenset({1205, 1213})
"""Two connections stood in each other's way; the statement had no effect and can be run again."""

_ENGINE = re.compile(rb"\n\)[^\n]*?\bENGINE\s*=\s*(\w+)", re.I)
_NO_ENGINE = 1286
_LACKS = frozenset({1115, 1235, 1273, 1128, 1911})
"""No such character set, collation, parser, option of an engine, or a thing that no server of its kind does yet."""
_CAN_NOT_CREATE = 1005
_TWICE = frozenset({1062, 1180})
"""A key comes twice, which it must not on any server; many rows at once are told of when they are committed."""
_DENIED = frozenset({1044, 1142, 1143, 1227, 1370, 1419})
"""No right to a database, a table, a column, an operation, a routine, or to make routines where changes are logged."""

_OUTSIDE_ADVICE = "it reaches for another database, which a side copy on a server in use must not; use --side private"
_TRIES = 6


@dataclass(slots=True)
class _Load:
    """Rows of one table on their way in; the first error ends it.

    alone  whether they go in by the main connection, with nothing beside them
    """

    begin: RowsBegin
    alone: bool
    given: int = 0
    error: pymysql.Error | None = None


@dataclass(slots=True)
class MariadbRestore:
    """Takes in events; what the server refuses is yielded as findings.

    Rows go in by several connections, unless the backup opens transactions of its own, or something looks at rows
    while they arrive: triggers, and references that are checked.

    of_mysql  whether the backup is of MySQL, of which MariaDB does not take all
    """

    host: MariadbHost
    count: int
    of_mysql: bool = False
    rows: dict[Name, int] = field(default_factory=dict)
    refused: list[tuple[str, str]] = field(default_factory=list)
    _main: Session | None = None
    _workers: Workers[Session] | None = None
    _used: str | None = None
    _defined: bool = False
    _kept_out: bool = False
    _load: _Load | None = None
    _loads: list[_Load] = field(default_factory=list)
    _transactions: bool = False
    _triggered: set[Name] = field(default_factory=set)
    _bound: bool = False
    _undefined: list[str] = field(default_factory=list)
    _engines: dict[Name, str] = field(default_factory=dict)

    @property
    def version(self) -> str:
        """The server's version."""
        return _setting(self._main, "version") if self._main is not None else ""

    def take(self, event: Event) -> Iterator[Finding]:
        """Carry out one event."""
        if isinstance(event, Entry):
            yield from self._entry(event)
        elif isinstance(event, RowsBegin):
            yield from self._rows_begin(event)
        elif isinstance(event, Batch) and self._load is not None:
            self._batch(event, self._load)
        elif isinstance(event, RowsEnd):
            self._load = None

    def summary(self) -> Iterator[Finding]:
        """What was still under way, and what was done otherwise than the backup says."""
        yield from self._settled()
        yield from definitions_missing(self._undefined)
        yield from self.host.summary()

    def objects(self, database: str | None) -> dict[ObjectKey, DatabaseObject]:
        """What there is now, besides rows, of a database of the backup."""
        if database not in self.host.made:
            return {}
        with self.host.restorer() as session:
            return objects_of(session, self.host.made[database], mariadb="mariadb" in self.version.lower())

    def close(self) -> None:
        """Close all connections."""
        for session in [self._main, *(self._workers.connections if self._workers else [])]:
            if session is not None:
                with suppress(pymysql.Error):
                    session.close()

    def abandon(self) -> None:
        """After an error: stop what still runs, and remove the side copy."""
        if self.host.folder is None:
            self._main = None  # the database can be dropped while connections to it are open
        else:
            self.close()
        self.host.remove()

    def _use(self, database: str | None) -> Session:
        """The main connection, in a database of the backup, which is made if it isn't there yet."""
        name = self.host.make(database)
        if self._main is None:
            self._main = self.host.restorer()
            self._workers = Workers([self.host.restorer() for _ in range(self.count)])
        if self._used != name:
            self._used = name
            for session in self._all:
                session.select_db(name)
        return self._main

    @property
    def _all(self) -> list[Session]:
        """All connections."""
        assert self._main is not None and self._workers is not None  # made by the first use of a database
        return [self._main, *self._workers.connections]

    def _settled(self) -> Iterator[Finding]:
        """Wait for the workers, count what is in, and tell what failed."""
        if self._workers is not None:
            self._workers.settle()
        loads, self._loads = self._loads, [self._load] if self._load else []
        for load in loads:
            table = load.begin.table
            if load is self._load:
                continue
            if load.error is None:
                self.rows[table] = self.rows.get(table, 0) + load.given
            else:
                yield from filter(None, [self._rows_refused(table, load.error)])

    def _entry(self, entry: Entry) -> Iterator[Finding]:
        """One statement: whether it may run, how it is worded here, and what comes of it."""
        leave = leave_of(entry)
        if leave is Leave.PASSED_OVER or entry.kind in {Kind.HOSTILE, Kind.UNKNOWN} or not entry.definition.strip():
            return  # the reader has told of hostile and unknown statements
        if leave is Leave.REFUSED:
            self.refused.append((entry.kind, entry.name.full_label))
            yield refusal(entry, f"statements of the kind {entry.kind} are not run on a side copy: {entry.name.label}")
            return
        if kept_out := self.host.keeps_out(entry):
            self._kept_out = True
            self.refused.append((entry.kind, entry.name.full_label))
            advice = "rehearse it with --side private, where walls hold it"
            yield doubt("statement-refused", f"{entry.name.full_label}: {kept_out}", advice, place_of(entry))
            return
        self._defined = self._defined or entry.kind == Kind.TABLE
        yield from self._settled()
        self._note(entry)
        try:
            self._use(entry.name.name if entry.kind in {Kind.DATABASE, Kind.USE} else entry.name.database)
            if leave is not Leave.OURS:
                everywhere = entry.kind in {Kind.SETTING, Kind.TRANSACTION}
                for session in self._all if everywhere else self._all[:1]:
                    _query(session, self.host.prepared(entry))
        except pymysql.Error as error:
            yield from self._failed(entry, error)

    def _note(self, entry: Entry) -> None:
        """What a statement changes for those that follow."""
        if entry.kind == Kind.TRANSACTION or (entry.kind == Kind.SETTING and b"autocommit" in entry.definition.lower()):
            self._transactions = True
        self._bound = self._bound or any(one.kind is ConstraintKind.FOREIGN for one in entry.constraints)
        if entry.kind == Kind.TRIGGER and entry.about is not None:
            self._triggered.add(entry.about)
        if entry.kind == Kind.TABLE and (stated := _ENGINE.search(entry.definition)):
            self._engines[entry.name] = stated[1].decode("ascii")

    def _failed(self, entry: Entry, error: pymysql.Error) -> Iterator[Finding]:
        """What a failed statement says of the backup."""
        stop_if_outside(error)
        number = error.args[0] if error.args else 0
        if entry.kind == Kind.SETTING and number in _NOT_HERE:
            return
        if not self._defined and number in _NO_TABLE:
            self._undefined.append(f"{entry.kind} {entry.name.label}")
            return
        encrypted = number == _CAN_NOT_CREATE and b"ENCRYPT" in entry.definition.upper()
        if number in _LACKS or encrypted:
            self._kept_out = True
            yield doubt(
                "server-lacks",
                f"{entry.kind} {entry.name.label}: this server lacks what it needs: {one_line(error)[:300]}",
                "nothing is decided about it here: rehearse it on a server of the backup's own kind that has it",
                place_of(entry),
            )
            return
        if advice := self._why_refused(number):
            said = f"{entry.kind} {entry.name.label}: the server says: {one_line(error)[:300]}"
            yield doubt("statement-refused", said, advice, place_of(entry))
            return
        if number == _NO_ENGINE:
            yield _engine_missing(entry.name, one_line(error)[:200], place_of(entry))
            return
        yield fault(
            "statement-failed",
            f"{entry.kind} {entry.name.label}: the server says: {one_line(error)[:300]}",
            "on a real restore it would fail as well; the rest was restored without it",
            place_of(entry),
        )

    def _rows_begin(self, event: RowsBegin) -> Iterator[Finding]:
        """Rows of a table begin: by all connections at once, unless something needs them in order."""
        try:
            main = self._use(event.table.database)
            alone = self._transactions or self.count < 2 or event.table in self._triggered
            alone = alone or (self._bound and _setting(main, "foreign_key_checks") != "0")
        except pymysql.Error as error:
            yield from filter(None, [self._rows_refused(event.table, error)])
            return
        if alone:
            yield from self._settled()
        self._load = _Load(event, alone)
        self._loads.append(self._load)

    def _batch(self, batch: Batch, load: _Load) -> None:
        """Some rows on their way."""
        load.given += batch.rows
        opening = load.begin.opening
        for statement in (opening,) if batch.starts is None else statements_of(opening, batch):
            if load.alone or self._workers is None:
                _insert(load, statement, self._all[0])
            else:
                self._workers.submit(self._workers.quietest(), partial(_insert, load, statement))

    def _rows_refused(self, table: Name, error: pymysql.Error) -> Finding | None:
        """What refused rows say of the backup."""
        stop_if_outside(error)
        if not self._defined and error.args and error.args[0] in _NO_TABLE:
            self._undefined.append(f"rows of {table.label}")
            return None
        place = Place(database=table.database, table=table.name)
        if advice := self._why_refused(error.args[0] if error.args else 0):
            said = f"{table.label}: the server says: {one_line(error)[:300]}"
            return doubt("statement-refused", said, advice, place)
        return fault(
            "rows-refused",
            f"{table.label}: the server refuses its rows: {one_line(error)[:300]}",
            "on a real restore the table would stay without these rows",
            place,
        )

    @property
    def _is_foreign(self) -> bool:
        """Whether the backup is of MySQL and the server is MariaDB, which takes most of its words, and not all."""
        return self.of_mysql and "mariadb" in self.version.lower()

    def _why_refused(self, number: int) -> str:
        """What to do about an error that comes of how a side copy is made; empty for all others."""
        if number in _DENIED and self.host.folder is None:
            return _OUTSIDE_ADVICE
        if number in _LACKS:
            return "this server can't take it: rehearse it on one that can"
        if number in _NO_TABLE and self._kept_out:
            return "it needs a table that was not made here, as told"
        foreign = self._is_foreign and number not in _TWICE
        return "this is MariaDB, and the backup is MySQL's: rehearse it on MySQL" if foreign else ""

    def checked(self) -> Iterator[Finding]:
        """The engine's own checks of all databases, as the restorer: they run code of the backup."""
        restorer = self.host.restorer()
        try:
            yield from check_databases(restorer, self.host.made, self.rows)
            for table, wanted, found in replaced_engines(restorer, self.host.made, self._engines):
                place = Place(database=table.database, table=table.name)
                yield _engine_missing(table, f"the server took {found} for {wanted}", place)
        finally:
            restorer.close()


def _engine_missing(table: Name, what: str, place: Place) -> Finding:
    """A table whose storage engine this server hasn't: what was made in its place proves nothing of it."""
    return doubt(
        "engine-replaced",
        f"{table.label}: its storage engine is not on this server: {what}",
        "it is not the table that it was: rehearse it on a server that has the engine",
        place,
    )


def _query(session: Session, statement: bytes) -> None:
    """Run one statement as the bytes that it is: a script may hold several character sets."""
    with session.cursor() as cursor:
        cursor.execute(statement)
        while cursor.nextset():
            pass


def _insert(load: _Load, statement: bytes, session: Session) -> None:
    """A worker's job: run one INSERT, again if two of them stood in each other's way."""
    for left in range(_TRIES, 0, -1):
        if load.error is not None:
            return
        try:
            _query(session, statement)
        except pymysql.Error as error:
            if not (error.args and error.args[0] in _BLOCKED) or left == 1:
                load.error = load.error or error
        else:
            return


def _setting(session: Session, name: str) -> str:
    """What a session is set to."""
    with session.cursor() as cursor:
        cursor.execute(f"SELECT @@{name}")
        row = cursor.fetchone()
    return str(row[0]) if row else ""

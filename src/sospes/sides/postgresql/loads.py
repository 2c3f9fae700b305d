"""Rows of a table on their way into PostgreSQL, over one or several connections; all of them are kept, or none."""

from __future__ import annotations

from contextlib import ExitStack
from dataclasses import dataclass, field
from threading import Barrier
from typing import Any

import psycopg

from sospes.model.events import Batch, Notation, RowsBegin
from sospes.sides.servers.inserts import statements_of
from sospes.sides.servers.workers import Workers

_SPREAD_AT = 3
"""Waiting blocks of a table from which on an idle connection takes some of them."""

Session = psycopg.Connection[Any]


@dataclass(slots=True)
class Load:
    """The rows of one table.

    error    what the server refused them with
    inline   whether they go in on the one connection that a transaction is open on
    """

    begin: RowsBegin
    inline: bool
    given: int = 0
    error: psycopg.Error | None = None
    _ended: set[int] = field(default_factory=set)
    _copies: dict[int, psycopg.Copy] = field(default_factory=dict)
    _stacks: dict[int, ExitStack] = field(default_factory=dict)
    _meeting: Barrier | None = None

    @property
    def done(self) -> bool:
        """Whether all parts have ended."""
        return len(self._ended) == len(self._stacks)

    def put(self, workers: Workers[Session], batch: Batch, spread: bool) -> None:
        """Hand a batch to a worker."""
        self.given += batch.rows
        part = self._part(workers, spread)
        workers.submit(part, lambda session: self.write(session, part, batch))

    def _part(self, workers: Workers[Session], spread: bool) -> int:
        if not self._stacks:
            return self._opened(workers, workers.quietest())
        best = min(self._stacks, key=workers.backlog)
        if not spread or self.begin.notation is not Notation.COPY or workers.backlog(best) < _SPREAD_AT:
            return best
        idle = workers.quietest()
        return self._opened(workers, idle) if workers.backlog(idle) == 0 and idle not in self._stacks else best

    def _opened(self, workers: Workers[Session], worker: int) -> int:
        self._stacks[worker] = ExitStack()
        workers.submit(worker, lambda session: self.open(session, worker))
        return worker

    def end(self, workers: Workers[Session]) -> None:
        """End all parts; the last one to end settles whether they are kept."""
        if not self._stacks:
            self._opened(workers, workers.quietest())
        self._meeting = Barrier(len(self._stacks))
        for worker in self._stacks:
            workers.submit(worker, lambda session, part=worker: self.close(session, part))  # type: ignore[misc]

    def open(self, session: Session, part: int) -> None:
        """Begin one part."""
        stack = self._stacks.setdefault(part, ExitStack())
        if self.begin.notation is not Notation.COPY:
            return
        try:
            if not self.inline:
                session.execute("BEGIN")
            statement = self.begin.opening.strip().rstrip(b";")
            self._copies[part] = stack.enter_context(session.cursor().copy(statement))
        except psycopg.Error as error:
            self.error = self.error or error

    def write(self, session: Session, part: int, batch: Batch) -> None:
        """Send one batch."""
        if self.error is not None:
            return
        try:
            if self.begin.notation is Notation.COPY:
                self._copies[part].write(batch.stored if batch.width else b"\n" * batch.rows)
            elif batch.starts is not None:
                for statement in statements_of(self.begin.opening, batch):
                    session.execute(statement)
            else:
                session.execute(self.begin.opening)
        except psycopg.Error as error:
            self.error = self.error or error

    def close(self, session: Session, part: int) -> None:
        """End one part, and keep it once all others have ended well."""
        try:
            self._stacks[part].close()
        except psycopg.Error as error:
            self.error = self.error or error
        if self._meeting is not None:
            self._meeting.wait()
        try:
            if self.begin.notation is Notation.COPY and not self.inline:
                session.execute("COMMIT" if self.error is None else "ROLLBACK")
        except psycopg.Error as error:
            self.error = self.error or error
        self._ended.add(part)

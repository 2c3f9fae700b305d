"""Tells what a transaction did once it has ended: operations, by table and kind."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from functools import partial

from sospes.formats.tracing.begun import Begun
from sospes.formats.tracing.names import FIRST_OF_USERS, Named, Names, RelationChange
from sospes.formats.wal.ends import FileId
from sospes.formats.wal.following import iso
from sospes.formats.wal.heap import DELETED, INSERTED, UPDATED
from sospes.model.moments import position
from sospes.model.retracing import Operation, OperationKind, Traced

FileAt = Callable[[int], str | None]
"""The name of the log's file that has a position."""

_KINDS = {INSERTED: OperationKind.INSERT, UPDATED: OperationKind.UPDATE, DELETED: OperationKind.DELETE}
_TABLES = frozenset("rpmfv")
_WITH_ROWS = frozenset("rm")


@dataclass(frozen=True, slots=True, kw_only=True)
class Done:
    """A transaction that ended: when, in microseconds since 2000, where in the log, and what it did.

    complete  all of it was in the log that was read
    removed   files that are removed with it
    """

    transaction: int
    ended: int
    time: int
    committed: bool
    complete: bool
    begun: Begun
    removed: tuple[FileId, ...]
    relations: list[RelationChange]


def told(done: Done, names: Names, file_at: FileAt) -> Iterator[Traced]:
    """All that it did, in the order of the log."""
    telling = _Telling(done, names, file_at)
    if not done.committed:
        yield from telling.taken_back()
        return
    found = [*telling.databases(), *telling.relations(), *telling.emptied(), *telling.rows(), *telling.unnamed()]
    yield from sorted(found, key=lambda traced: traced.begins)


class _Telling:
    def __init__(self, done: Done, names: Names, file_at: FileAt) -> None:
        self._done = done
        self._names = names
        self._file_at = file_at
        self._new = {(step.database, step.file): step for change in done.relations for step in change.steps}
        self._rewritten: set[FileId] = set()
        drops = [at for is_drop, _, _, at in done.begun.databases if is_drop]
        # What a database has is gone before the transaction ends that drops it.
        self._before = f"lsn={position(min(drops))}" if drops else f"transaction={done.transaction}"

    def taken_back(self) -> Iterator[Traced]:
        """A transaction that never counted, if it changed anybody's rows."""
        mine = [rows for (database, file, _), rows in self._done.begun.rows.items() if self._is_users((database, file))]
        if mine:
            first = min(at for _, at in mine)
            yield self._traced(OperationKind.ABORT, first, rows=sum(abs(rows) for rows, _ in mine))

    def _is_users(self, file: FileId) -> bool:
        of = self._of(file)
        return file[1] >= FIRST_OF_USERS if of is None else not self._names.is_own(of)

    def databases(self) -> Iterator[Traced]:
        """Databases that were made and dropped."""
        for is_drop, number, name, at in self._done.begun.databases:
            kind = OperationKind.DROP if is_drop else OperationKind.CREATE
            called = name or self._names.databases.get(number) or str(number)
            yield self._traced(kind, at, called)

    def relations(self) -> Iterator[Traced]:
        """Tables that were made, changed, emptied, written anew, and dropped."""
        passing = [change for change in self._done.relations if change.before is None and change.after is None]
        aside = {step.file for change in passing for step in change.steps}
        for change in self._done.relations:
            of = change.after or change.before
            if of is None or of.kind not in _TABLES:
                continue
            kind, rows = self._kind(change, aside)
            if kind is not None:
                yield self._traced(kind, self._done.ended, of, rows)

    def _kind(self, change: RelationChange, aside: set[int]) -> tuple[OperationKind | None, int | None]:
        before, after = change.before, change.after
        if before is None:
            return OperationKind.CREATE, None
        if after is None:
            return OperationKind.DROP, None
        if before.file != after.file and after.kind in _WITH_ROWS:
            file = (after.database, after.file)
            if after.file not in aside and before.space == after.space:
                return OperationKind.TRUNCATE, None
            self._rewritten.add(file)
            rows = self._done.begun.rows.get((*file, INSERTED))
            return OperationKind.REWRITE, rows[0] if rows else None
        return (OperationKind.ALTER, None) if _differ(before, after) else (None, None)

    def emptied(self) -> Iterator[Traced]:
        """Tables that were emptied by the very transaction that made their file."""
        for file, at in self._done.begun.emptied.items():
            of = self._of(file)
            if of is not None and of.kind in _WITH_ROWS:
                yield self._traced(OperationKind.TRUNCATE, at, of)

    def rows(self) -> Iterator[Traced]:
        """Rows that were inserted, updated, deleted."""
        for (database, number, done), (rows, at) in self._done.begun.rows.items():
            file = (database, number)
            if file in self._rewritten or rows <= 0:
                continue
            yield self._traced(_KINDS[done], at, self._of(file) or file, rows)

    def unnamed(self) -> Iterator[Traced]:
        """Files that are removed, where the catalogs don't tell of which relation and why."""
        removed = [file for file in self._done.removed if file[1] >= FIRST_OF_USERS]
        if not removed or self._done.relations:
            return
        tables = [of for file in removed if (of := self._of(file)) is not None and of.kind in _WITH_ROWS]
        for of in tables:
            was_locked = (of.database, of.oid) in self._done.begun.locked
            kind = OperationKind.REWRITE if self._done.begun.made and was_locked else OperationKind.DROP
            yield self._traced(kind, self._done.ended, of)
        if not any(self._of(file) for file in removed):
            kind = OperationKind.REWRITE if self._done.begun.made else OperationKind.DROP
            yield self._traced(kind, self._done.ended, removed[-1])

    def _of(self, file: FileId) -> Named | None:
        return self._names.at(file) or self._new.get(file)

    def _traced(
        self, kind: OperationKind, at: int, of: Named | FileId | str | None = None, rows: int | None = None
    ) -> Traced:
        """An operation on a relation, on a file of which nobody knows more, on a database, or on none."""
        make = partial(
            Operation, at=iso(self._done.time), kind=kind, rows=rows, position=position(at), file=self._file_at(at),
            transaction=str(self._done.transaction) if self._done.transaction else None, complete=self._done.complete,
        )  # fmt: skip
        internal = False
        if isinstance(of, Named):
            operation = make(database=self._database(of.database), schema=self._names.schema(of), table=of.name)
            internal = self._names.is_own(of)
        elif isinstance(of, tuple):
            operation = make(database=self._database(of[0]), table_file=of[1])
            internal = of[1] < FIRST_OF_USERS
        else:
            operation = make(database=of)
        return Traced(
            operation=operation, begins=at, ended=self._done.ended, time=self._done.time, before=self._before,
            internal=internal,
        )  # fmt: skip

    def _database(self, number: int) -> str | None:
        return self._names.databases.get(number) or (str(number) if number else None)


def _differ(before: Named, after: Named) -> bool:
    """Whether people would call it a change of the table."""
    return (before.name, before.schema, before.space, before.lasting, before.rest) != (
        after.name, after.schema, after.space, after.lasting, after.rest
    )  # fmt: skip

"""Tells what a transaction did once it has ended: operations, by table and kind."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from sospes.formats.tracing.begun import Begun, Rows
from sospes.formats.tracing.names import FIRST_OF_USERS, Named, Names, RelationChange
from sospes.formats.wal.ends import FileId
from sospes.formats.wal.heap import DELETED, INSERTED, UPDATED
from sospes.model.retracing import OperationKind, Subject, Traced

KINDS = {INSERTED: OperationKind.INSERT, UPDATED: OperationKind.UPDATE, DELETED: OperationKind.DELETE}
"""Kinds of operations by what is done to rows."""

_TABLES = frozenset("rpmfv")
_WITH_ROWS = frozenset("rm")


@dataclass(frozen=True, slots=True, kw_only=True)
class Done:
    """A transaction that ended: when, in microseconds since 2000, where in the log, and what it did.

    complete  all of it was in the log that was read
    removed   files that are removed with it
    keys      of some rows, by database, file, and what was done
    """

    transaction: int
    ended: int
    time: int
    committed: bool
    complete: bool
    rows: Rows
    keys: dict[tuple[int, int, int], tuple[dict[str, str], ...] | None]
    begun: Begun
    removed: tuple[FileId, ...]
    relations: list[RelationChange]


def told(done: Done, names: Names) -> list[Traced]:
    """All that it did, in the order of the log."""
    telling = _Telling(done, names)
    if not done.committed:
        return [*telling.taken_back()]
    found = [*telling.databases(), *telling.relations(), *telling.emptied(), *telling.rows(), *telling.unnamed()]
    return sorted(found, key=lambda traced: traced.begins)


class _Telling:
    def __init__(self, done: Done, names: Names) -> None:
        self._done = done
        self._names = names
        left = [change.after for change in done.relations if change.after is not None]
        passed = [step for change in done.relations for step in change.steps]
        self._new = {(step.database, step.file): step for step in [*passed, *left]}  # what stays names a file last
        self._rewritten: set[FileId] = set()
        drops = [at for is_drop, _, _, at in done.begun.databases if is_drop]
        # What a database has is gone before the transaction ends that drops it.
        self._before = min(drops) if drops else None

    def taken_back(self) -> Iterator[Traced]:
        """A transaction that never counted, if it changed anybody's rows."""
        mine = [rows for (database, file, _), rows in self._done.rows.items() if self._is_users((database, file))]
        if mine:
            first = min(at for _, at in mine)
            yield self._traced(OperationKind.ABORT, first, Subject(), sum(abs(rows) for rows, _ in mine))

    def _is_users(self, file: FileId) -> bool:
        return not self._subject(file).internal

    def databases(self) -> Iterator[Traced]:
        """Databases that were made and dropped."""
        for is_drop, number, name, at in self._done.begun.databases:
            kind = OperationKind.DROP if is_drop else OperationKind.CREATE
            yield self._traced(kind, at, Subject(database=name or self._names.databases.get(number) or str(number)))

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
                yield self._traced(kind, self._done.ended, self._names.subject_of(of), rows)

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
            rows = self._done.rows.get((*file, INSERTED))
            return OperationKind.REWRITE, rows[0] if rows else None
        return (OperationKind.ALTER, None) if _differ(before, after) else (None, None)

    def emptied(self) -> Iterator[Traced]:
        """Tables that were emptied by the very transaction that made their file."""
        for file, at in self._done.begun.emptied.items():
            of = self._of(file)
            if of is not None and of.kind in _WITH_ROWS:
                yield self._traced(OperationKind.TRUNCATE, at, self._subject(file))

    def rows(self) -> Iterator[Traced]:
        """Rows that were inserted, updated, deleted."""
        for (database, number, done), (rows, at) in self._done.rows.items():
            file = (database, number)
            if file not in self._rewritten and rows > 0:
                keys = self._done.keys.get((database, number, done))
                yield self._traced(KINDS[done], at, self._subject(file), rows)._replace(keys=keys)

    def unnamed(self) -> Iterator[Traced]:
        """Files that are removed, where the catalogs don't tell of which relation and why."""
        removed = [file for file in self._done.removed if file[1] >= FIRST_OF_USERS]
        if not removed or self._done.relations:
            return
        for file in removed:
            of = self._of(file)
            if of is None or of.kind not in _WITH_ROWS:
                continue
            was_locked = (of.database, of.oid) in self._done.begun.locked
            kind = OperationKind.REWRITE if self._done.begun.made and was_locked else OperationKind.DROP
            yield self._traced(kind, self._done.ended, self._subject(file))
        if not any(self._of(file) for file in removed):
            kind = OperationKind.REWRITE if self._done.begun.made else OperationKind.DROP
            yield self._traced(kind, self._done.ended, self._subject(removed[-1]))

    def _of(self, file: FileId) -> Named | None:
        return self._names.at(file) or self._new.get(file)

    def _subject(self, file: FileId) -> Subject:
        if self._names.at(file) is None and file in self._new:
            return self._names.subject_of(self._new[file])
        return self._names.subject(file)

    def _traced(self, kind: OperationKind, at: int, subject: Subject, rows: int | None = None) -> Traced:
        done = self._done
        return Traced(kind, subject, rows, at, done.ended, done.time, done.transaction, done.complete, self._before)


def _differ(before: Named, after: Named) -> bool:
    """Whether people would call it a change of the table."""
    return (before.name, before.schema, before.space, before.lasting, before.rest) != (
        after.name, after.schema, after.space, after.lasting, after.rest
    )  # fmt: skip

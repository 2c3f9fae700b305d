"""Follows what transactions do, record by record, and tells it when they end.

Sources: PostgreSQL, src/include/access/rmgrlist.h, commands/dbcommands_xlog.h, storage/standbydefs.h,
catalog/storage_xlog.h, utils/relmapper.h.
"""

from __future__ import annotations

import struct
from collections.abc import Iterable
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from sospes.formats.tracing.begun import Begun, Rows, joined
from sospes.formats.tracing.catalog_rows import LoggedRow
from sospes.formats.tracing.keys import MOST
from sospes.formats.tracing.names import FIRST_OF_USERS, Names
from sospes.formats.tracing.telling import KINDS, Done, told
from sospes.formats.wal.ends import HAS_MORE, End, FileId, end_of
from sospes.formats.wal.heap import HEAP, MORE_HEAP, Changes, changes_in, first_blocks
from sospes.formats.wal.moments import Commits, commits_in, main_data, restore_points_in
from sospes.formats.wal.records import KIND, XLOG, Records
from sospes.formats.wal.segments import VERSIONS
from sospes.model.retracing import OperationKind, Subject, Traced

_STORAGE, _DATABASES, _FILE_MAP, _STANDBY = 2, 4, 7, 8
"""Managers of records: of files, databases, file maps, and of what a standby has to know."""

_MADE, _CUT = 0x10, 0x20
_LOCKED, _RUNNING = 0x00, 0x10
_COPIED, _LOGGED, _DROPPED, _DROPPED_BEFORE_15 = 0x00, 0x10, 0x20, 0x10
_IMAGES = (0xA0, 0xB0)
_HALF = 1 << 31


@dataclass(frozen=True, slots=True)
class _Ending:
    """The end of a transaction: which one, where in the log, when in microseconds since 2000, and what it says more."""

    transaction: int
    at: int
    time: int
    committed: bool
    end: End


class Trace:
    """Transactions under way, and what is counted of those that ended.

    records, commits, aborts  how many by now; first and last are times of commits, in microseconds since 2000
    unread  records that say what can't be understood
    begun_before  transactions that were under way at the first snapshot in the log, and may have begun before it
    """

    def __init__(self, names: Names, *, with_keys: bool = False) -> None:
        self.names = names
        self._with_keys = with_keys
        self._samples: dict[tuple[int, int, int, int], list[LoggedRow]] = {}
        self._rows: dict[int, Rows] = {}
        self._begun: dict[int, Begun] = {}
        self._looked = False
        self.begun_before: set[int] = set()
        self.records = self.commits = self.aborts = self.unread = 0
        self.first: int | None = None
        self.last: int | None = None

    @property
    def open(self) -> int:
        """Transactions that changed rows and have not ended."""
        return sum(any(key[1] >= FIRST_OF_USERS for key in rows) for rows in self._rows.values())

    def take(self, records: Records) -> list[Traced]:
        """What the next records tell that was done."""
        self.records += len(records.starts)
        self._take_rows(records)
        ends = commits_in(records)
        self._count(ends)
        found: list[Traced] = []
        from_ = 0
        while from_ < len(records.starts):
            from_ = self._take_others(records, ends, from_, found)
        return found

    def _count(self, ends: Commits) -> None:
        times = ends.times[ends.committed]
        self.unread += int((ends.transactions == 0).sum())
        self.commits += len(times)
        self.aborts += len(ends.times) - len(times)
        if len(times):
            first, last = int(times.min()), int(times.max())
            self.first = first if self.first is None else min(self.first, first)
            self.last = last if self.last is None else max(self.last, last)

    def _take_rows(self, records: Records) -> None:
        """Count the rows that are changed, where several in a row are alike as one."""
        changes = changes_in(records)
        count = len(changes.indexes)
        if not count:
            return
        whose = records.transactions[changes.indexes]
        new = np.ones(count, bool)
        new[1:] = (
            (whose[1:] != whose[:-1]) | (changes.databases[1:] != changes.databases[:-1])
            | (changes.files[1:] != changes.files[:-1]) | (changes.done[1:] != changes.done[:-1])
        )  # fmt: skip
        begins = np.flatnonzero(new)
        if self._with_keys:
            self._sample(records, changes, begins)
        rows = np.add.reduceat(changes.rows, begins)
        begun = self._rows
        for transaction, database, file, done, number, at in zip(
            whose[begins].tolist(), changes.databases[begins].tolist(), changes.files[begins].tolist(),
            changes.done[begins].tolist(), rows.tolist(), records.positions[changes.indexes[begins]].tolist(),
            strict=True,
        ):  # fmt: skip
            mine = begun.get(transaction)
            if mine is None:
                begun[transaction] = {(database, file, done): [number, at]}
            elif (known := mine.get((database, file, done))) is not None:
                known[0] += number
            else:
                mine[database, file, done] = [number, at]

    def _sample(self, records: Records, changes: Changes, begins: NDArray[np.int64]) -> None:
        """Keep some records of each operation, which may hold keys."""
        for begin, end in zip(begins.tolist(), [*begins[1:].tolist(), len(changes.indexes)], strict=True):
            first = int(changes.indexes[begin])
            key = (
                int(records.transactions[first]), int(changes.databases[begin]), int(changes.files[begin]),
                int(changes.done[begin]),
            )  # fmt: skip
            kept = self._samples.setdefault(key, [])
            for place in range(begin, min(end, begin + MOST - len(kept))):
                logged = _logged(records, int(changes.indexes[place]))
                kept.append(replace(logged, record=memoryview(bytes(logged.record))))

    def _keys(self, transactions: Iterable[int], key: tuple[int, int, int]) -> tuple[dict[str, str], ...] | None:
        """The keys of rows that transactions changed, where they are wanted and the log has them."""
        if not self._with_keys:
            return None
        found = [row for one in transactions for row in self._samples.pop((one, *key), [])]
        return self.names.keys(key[:2], found[:MOST]) or None

    def _take_others(self, records: Records, ends: Commits, from_: int, found: list[Traced]) -> int:
        """All else, in order, from one record on; ends early where the files of catalogs change. How far it came."""
        catalogs = self._about_catalogs(records, from_)
        ended = dict(zip(ends.indexes.tolist(), range(len(ends.indexes)), strict=True))
        points = {begin: name for begin, _, name in restore_points_in(records)}
        told = np.isin(records.managers, (_STORAGE, _DATABASES, _FILE_MAP, _STANDBY))
        told[ends.indexes] = True
        told[list(catalogs)] = True
        if points:
            told |= np.isin(records.positions, list(points))
        transactions, times = ends.transactions.tolist(), ends.times.tolist()
        positions = records.positions[ends.indexes].tolist()
        plain = (ends.committed & (records.kinds[ends.indexes] & HAS_MORE == 0)).tolist()
        more, waiting = self._begun, self.names.waiting
        for index in (np.flatnonzero(told[from_:]) + from_).tolist():
            if (place := ended.get(index)) is not None:
                transaction = transactions[place]
                at, time = positions[place], times[place]
                if plain[place] and transaction not in more and transaction not in waiting:
                    self._end_plainly(transaction, at, time, found)
                else:
                    end = self._ended(records, index)
                    self._end(_Ending(transaction, at, time, bool(ends.committed[place]), end), found)
            elif index in catalogs:
                whose = int(records.transactions[index])
                self.names.apply(catalogs[index], whose, _logged(records, index))
            elif records.managers[index] == XLOG:
                found.append(_mark(records, index, points[int(records.positions[index])]))
            elif self._other(records, index):
                return index + 1
        return len(records.starts)

    def _about_catalogs(self, records: Records, from_: int) -> dict[int, FileId]:
        """The records about the files of catalogs, from one on, and about which."""
        of_rows = (records.managers == HEAP) | (records.managers == MORE_HEAP)
        of_rows |= (records.managers == XLOG) & np.isin(records.kinds, _IMAGES)
        about = np.flatnonzero(of_rows[from_:]) + from_
        blocks = first_blocks(records, about)
        keys = blocks.databases.astype(np.uint64) << np.uint64(32) | blocks.files.astype(np.uint64)
        mine = np.isin(keys, self.names.watched()) & (blocks.behind >= 0)
        return {
            index: (key >> 32, key & 0xFFFFFFFF)
            for index, key in zip(about[mine].tolist(), keys[mine].tolist(), strict=True)
        }

    def _end_plainly(self, transaction: int, at: int, time: int, found: list[Traced]) -> None:
        """A transaction is committed that did nothing but change rows, as nearly all do."""
        rows = self._rows.pop(transaction, None)
        if rows is None:
            return
        complete = transaction not in self.begun_before
        subject = self.names.subject
        for (database, file, done), (number, begins) in rows.items():
            if number > 0:
                keys = self._keys((transaction,), (database, file, done))
                of = subject((database, file))
                found.append(Traced(KINDS[done], of, number, begins, at, time, transaction, complete, None, keys))

    def _ended(self, records: Records, index: int) -> End:
        """What the end of a transaction says beside its time."""
        if records.kinds[index] & HAS_MORE:
            try:
                return end_of(main_data(records.record(index)), records.magic)
            except ValueError:
                self.unread += 1
        return End()

    def _end(self, ending: _Ending, found: list[Traced]) -> None:
        """A transaction ends, with its parts."""
        all_of_it = (ending.transaction, *ending.end.subtransactions)
        begun = Begun()
        for one in all_of_it:
            if (part := self._begun.pop(one, None)) is not None:
                begun.add(part)
        rows = joined([self._rows.pop(one) for one in all_of_it if one in self._rows])
        done = Done(
            transaction=ending.transaction, ended=ending.at, time=ending.time, committed=ending.committed,
            complete=ending.transaction not in self.begun_before, begun=begun, removed=ending.end.removed,
            rows=rows, keys={key: self._keys(all_of_it, key) for key in rows} if self._with_keys else {},
            relations=self.names.ended(all_of_it, committed=ending.committed),
        )  # fmt: skip
        for _, database, _, _ in begun.databases:
            self.names.made_database(database)
        found += told(done, self.names)
        self.names.keep(done.relations)

    def _other(self, records: Records, index: int) -> bool:
        """What a record says of files, databases, locks; whether catalogs are in other files now."""
        manager, what = int(records.managers[index]), int(records.kinds[index]) & KIND
        data = main_data(records.record(index))
        mine = int(records.transactions[index])
        try:
            if manager == _STORAGE:
                return self._stored(what, data, mine, int(records.positions[index]))
            if manager == _STANDBY:
                self._stands_by(what, data)
            elif manager == _FILE_MAP:
                database, _, length = struct.unpack_from("<III", data)
                self.names.take_map(database, data[12 : 12 + length])
                return True
            else:
                return self._database(what, data, mine, records, index)
        except struct.error:
            self.unread += 1
        return False

    def _stored(self, what: int, data: bytes, transaction: int, at: int) -> bool:
        """A file is made or cut; whether a catalog may be written into it."""
        if what == _MADE:
            _, database, file = struct.unpack_from("<III", data)
            begun = self._of(transaction)
            begun.made.add((database, file))
            found = [self.names.prepare(oid, (of, file)) for of, oid in begun.locked if of == database]
            return any(found)
        if what == _CUT and transaction:
            block, _, database, file = struct.unpack_from("<IIII", data)
            # Else the engine only gives back what is empty anyway.
            if block == 0 and (database, file) in self._of(transaction).made:
                self._of(transaction).emptied[database, file] = at
        return False

    def _stands_by(self, what: int, data: bytes) -> None:
        if what == _LOCKED:
            [count] = struct.unpack_from("<I", data)
            for transaction, database, relation in struct.iter_unpack("<III", data[4 : 4 + 12 * count]):
                self._of(transaction).locked.add((database, relation))
        elif what == _RUNNING:
            count, parts, _, _, oldest, _ = struct.unpack_from("<IIIIII", data)
            running = struct.unpack_from(f"<{count + parts}I", data, 24)
            if not self._looked:
                self.begun_before, self._looked = set(running), True
            under_way = {*self._begun, *self._rows, *self.names.waiting}
            for transaction in under_way:
                if (transaction - oldest) & 0xFFFFFFFF >= _HALF:  # a crash ended it
                    self._begun.pop(transaction, None)
                    for key in self._rows.pop(transaction, {}):
                        self._samples.pop((transaction, *key), None)
                    self.names.forget(transaction)

    def _database(self, what: int, data: bytes, transaction: int, records: Records, index: int) -> bool:
        is_new = int(VERSIONS.get(records.magic, "15")) >= 15
        at = int(records.positions[index])
        [database] = struct.unpack_from("<I", data)
        if what == (_DROPPED if is_new else _DROPPED_BEFORE_15):
            name = self.names.databases.get(database)
            self._of(transaction).databases.append((True, database, name, at))
            return False
        self._of(transaction).databases.append((False, database, None, at))
        if what == _COPIED:
            source = struct.unpack_from("<IIII", data)[2]
            self.names.copy_database(source, database)
        else:
            self.names.make_database(database)
        return True

    def _of(self, transaction: int) -> Begun:
        return self._begun.setdefault(transaction, Begun())


def _logged(records: Records, index: int) -> LoggedRow:
    return LoggedRow(
        record=records.record(index), manager=int(records.managers[index]), kind=int(records.kinds[index]),
        end=int(records.ends[index]), magic=records.magic,
    )  # fmt: skip


def _mark(records: Records, index: int, name: str) -> Traced:
    """A restore point."""
    at = int(records.positions[index])
    [when] = struct.unpack_from("<q", main_data(records.record(index)))
    return Traced(OperationKind.MARK, Subject(name=name), None, at, at, when, 0, before=at)

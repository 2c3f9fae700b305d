"""Follows what transactions do, record by record, and tells it when they end.

Sources: PostgreSQL, src/include/access/rmgrlist.h, commands/dbcommands_xlog.h, storage/standbydefs.h,
catalog/storage_xlog.h, utils/relmapper.h.
"""

from __future__ import annotations

import struct
from collections.abc import Generator, Iterator
from contextlib import suppress

import numpy as np
from numpy.typing import NDArray

from sospes.formats.tracing.begun import Begun
from sospes.formats.tracing.catalog_rows import LoggedRow
from sospes.formats.tracing.names import FIRST_OF_USERS, Names
from sospes.formats.tracing.telling import Done, FileAt, told
from sospes.formats.wal.ends import HAS_MORE, FileId, end_of
from sospes.formats.wal.following import iso
from sospes.formats.wal.heap import HEAP, MORE_HEAP, changes_in, first_blocks
from sospes.formats.wal.moments import commits_in, main_data, restore_points_in
from sospes.formats.wal.records import KIND, XLOG, Records
from sospes.formats.wal.segments import VERSIONS
from sospes.model.moments import position
from sospes.model.retracing import Operation, OperationKind, Traced

_STORAGE, _DATABASES, _FILE_MAP, _STANDBY = 2, 4, 7, 8
"""Managers of records: of files, databases, file maps, and of what a standby has to know."""

_MADE, _CUT = 0x10, 0x20
_LOCKED, _RUNNING = 0x00, 0x10
_COPIED, _LOGGED, _DROPPED, _DROPPED_BEFORE_15 = 0x00, 0x10, 0x20, 0x10
_IMAGES = (0xA0, 0xB0)
_HALF = 1 << 31


class Trace:
    """Transactions under way, and what is counted of those that ended.

    records, commits, aborts  how many by now; first and last are times of commits, in microseconds since 2000
    begun_before  transactions that were under way when the log began
    """

    def __init__(self, names: Names, file_at: FileAt) -> None:
        self.names = names
        self._file_at = file_at
        self._begun: dict[int, Begun] = {}
        self._looked = False
        self.begun_before: set[int] = set()
        self.records = self.commits = self.aborts = 0
        self.first: int | None = None
        self.last: int | None = None

    @property
    def open(self) -> int:
        """Transactions that changed rows and have not ended."""
        return sum(any(key[1] >= FIRST_OF_USERS for key in begun.rows) for begun in self._begun.values())

    def take(self, records: Records) -> Iterator[Traced]:
        """What the next records tell that was done."""
        self.records += len(records.starts)
        self._take_rows(records)
        from_ = 0
        while from_ < len(records.starts):
            watched = self.names.watched()
            from_ = yield from self._take_others(records, from_, watched)

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
        rows = np.add.reduceat(changes.rows, begins)
        begun = self._begun
        for transaction, database, file, done, number, at in zip(
            whose[begins].tolist(), changes.databases[begins].tolist(), changes.files[begins].tolist(),
            changes.done[begins].tolist(), rows.tolist(), records.positions[changes.indexes[begins]].tolist(),
            strict=True,
        ):  # fmt: skip
            mine = begun.get(transaction)
            if mine is None:
                mine = begun[transaction] = Begun()
            known = mine.rows.get((database, file, done))
            if known is None:
                mine.rows[database, file, done] = [number, at]
            else:
                known[0] += number

    def _take_others(self, records: Records, from_: int, watched: NDArray[np.int64]) -> Generator[Traced, None, int]:
        """All else, in order, from one record on; ends early where the files of catalogs change. How far it came."""
        managers, kinds = records.managers, records.kinds
        of_rows = (managers == HEAP) | (managers == MORE_HEAP) | ((managers == XLOG) & np.isin(kinds, _IMAGES))
        about = np.flatnonzero(of_rows[from_:]) + from_
        blocks = first_blocks(records, about)
        keys = blocks.databases.astype(np.int64) << 32 | blocks.files
        mine = np.isin(keys, watched) & (blocks.behind >= 0)
        catalogs = dict(zip(about[mine].tolist(), keys[mine].tolist(), strict=True))
        ends = commits_in(records)
        ended = {int(index): place for place, index in enumerate(ends.indexes)}
        points = {begin: name for begin, _, name in restore_points_in(records)}
        told = np.isin(managers, (_STORAGE, _DATABASES, _FILE_MAP, _STANDBY))
        told[ends.indexes] = True
        told[list(catalogs)] = True
        told |= np.isin(records.positions, list(points)) if points else False
        for index in (np.flatnonzero(told[from_:]) + from_).tolist():
            if index in catalogs:
                key = catalogs[index]
                self.names.apply(
                    (key >> 32, key & 0xFFFFFFFF), int(records.transactions[index]), _logged(records, index)
                )
            elif index in ended:
                place = ended[index]
                yield from self._end(
                    records, index, int(ends.transactions[place]), int(ends.times[place]),
                    committed=bool(ends.committed[place]),
                )  # fmt: skip
            elif managers[index] == XLOG:
                yield self._mark(records, index, points[int(records.positions[index])])
            elif self._other(records, index):
                return index + 1
        return len(records.starts)

    def _mark(self, records: Records, index: int, name: str) -> Traced:
        at = int(records.positions[index])
        [when] = struct.unpack_from("<q", main_data(records.record(index)))
        operation = Operation(
            at=iso(when), kind=OperationKind.MARK, position=position(at), file=self._file_at(at), name=name
        )
        return Traced(operation=operation, begins=at, ended=at, time=when, before=f"lsn={position(at)}")

    def _end(self, records: Records, index: int, transaction: int, time: int, *, committed: bool) -> Iterator[Traced]:
        """A transaction ends, with its parts."""
        parts: tuple[int, ...] = ()
        removed: tuple[FileId, ...] = ()
        if records.kinds[index] & HAS_MORE:
            with suppress(ValueError):
                end = end_of(main_data(records.record(index)), records.magic)
                parts, removed = end.subtransactions, end.removed
        self._count(time, committed=committed)
        begun = Begun()
        for one in (transaction, *parts):
            if (found := self._begun.pop(one, None)) is not None:
                begun.add(found)
        done = Done(
            transaction=transaction, ended=int(records.positions[index]), time=time, committed=committed,
            complete=transaction not in self.begun_before, begun=begun, removed=removed,
            relations=self.names.ended((transaction, *parts), committed=committed),
        )  # fmt: skip
        yield from told(done, self.names, self._file_at)
        self.names.keep(done.relations)

    def _count(self, time: int, *, committed: bool) -> None:
        if not committed:
            self.aborts += 1
            return
        self.commits += 1
        self.first = time if self.first is None else min(self.first, time)
        self.last = time if self.last is None else max(self.last, time)

    def _other(self, records: Records, index: int) -> bool:
        """What a record says of files, databases, locks; whether catalogs are in other files now."""
        manager, what = int(records.managers[index]), int(records.kinds[index]) & KIND
        data = main_data(records.record(index))
        mine = int(records.transactions[index])
        with suppress(struct.error):
            if manager == _STORAGE:
                self._stored(what, data, mine, int(records.positions[index]))
            elif manager == _STANDBY:
                self._stands_by(what, data)
            elif manager == _FILE_MAP:
                database, _, length = struct.unpack_from("<III", data)
                self.names.take_map(database, data[12 : 12 + length])
                return True
            else:
                return self._database(what, data, mine, records, index)
        return False

    def _stored(self, what: int, data: bytes, transaction: int, at: int) -> None:
        if what == _MADE:
            _, database, file = struct.unpack_from("<III", data)
            self._of(transaction).made.add((database, file))
        elif what == _CUT and transaction:
            block, _, database, file = struct.unpack_from("<IIII", data)
            # Else the engine only gives back what is empty anyway.
            if block == 0 and (database, file) in self._of(transaction).made:
                self._of(transaction).emptied[database, file] = at

    def _stands_by(self, what: int, data: bytes) -> None:
        if what == _LOCKED:
            [count] = struct.unpack_from("<I", data)
            for transaction, database, relation in struct.iter_unpack("<III", data[4 : 4 + 12 * count]):
                self._of(transaction).locked.add((database, relation))
        elif what == _RUNNING:
            count, parts, _, _, oldest, _ = struct.unpack_from("<IIIIII", data)
            running = struct.unpack_from(f"<{count + parts}I", data, 24)
            if not self._looked:
                self.begun_before, self._looked = set(running) - set(self._begun), True
            ended = [one for one in self._begun if (one - oldest) & 0xFFFFFFFF >= _HALF]  # by a crash
            for transaction in ended:
                del self._begun[transaction]
            self.names.forget_before(ended)

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
        return True

    def _of(self, transaction: int) -> Begun:
        return self._begun.setdefault(transaction, Begun())


def _logged(records: Records, index: int) -> LoggedRow:
    return LoggedRow(
        record=records.record(index), manager=int(records.managers[index]), kind=int(records.kinds[index]),
        end=int(records.ends[index]), magic=records.magic,
    )  # fmt: skip

"""What records of the log tell of moments: commits with their times, restore points, ends of backups.

Sources: PostgreSQL, src/include/access/xact.h (xl_xact_commit, xl_xact_abort, xl_xact_xinfo), xlog_internal.h
(xl_restore_point), rmgrlist.h.
"""

from __future__ import annotations

import struct
from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from sospes.formats.wal.ends import ABORT, ABORT_PREPARED, COMMIT, COMMIT_PREPARED, HAS_MORE, WHAT, end_of
from sospes.formats.wal.records import (
    BACKUP_END,
    HEADER,
    KIND,
    LONG_DATA,
    ORIGIN,
    SHORT_DATA,
    TOP_TRANSACTION,
    TRANSACTION,
    XLOG,
    Records,
)

_RESTORE_POINT = 0x70
_FILES, _REMOVES = 2, 0x04
"""The manager of files; ends of transactions that remove some."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Commits:
    """Ends of transactions, in arrays of shape (commits,): which record, which transaction, when in microseconds since
    2000, and whether they were committed."""

    indexes: NDArray[np.int64]
    transactions: NDArray[np.uint32]
    times: NDArray[np.int64]
    committed: NDArray[np.bool_]


def commits_in(records: Records) -> Commits:
    """All ends of transactions among some records."""
    what = records.kinds & WHAT
    ended = (what == COMMIT) | (what == ABORT) | (what == COMMIT_PREPARED) | (what == ABORT_PREPARED)
    indexes = np.flatnonzero((records.managers == TRANSACTION) & ended)
    text = np.frombuffer(records.text, np.uint8)
    starts = records.starts[indexes]
    times = np.zeros(len(indexes), np.int64)
    plain = text[starts + HEADER] == SHORT_DATA  # nothing but the main data, as nearly always
    times[plain] = text[starts[plain][:, None] + HEADER + 2 + np.arange(8)].copy().view("<i8")[:, 0]
    for place in np.flatnonzero(~plain):
        times[place] = struct.unpack_from("<q", main_data(records.record(int(indexes[place]))) + bytes(8))[0]
    committed = np.isin(what[indexes], (COMMIT, COMMIT_PREPARED))
    transactions = records.transactions[indexes]
    for place in np.flatnonzero(np.isin(what[indexes], (COMMIT_PREPARED, ABORT_PREPARED))):
        index = int(indexes[place])
        with suppress(ValueError):
            transactions[place] = end_of(main_data(records.record(index)), records.magic).prepared
    return Commits(indexes=indexes, transactions=transactions, times=times, committed=committed)


def moves_files(records: Records) -> bool:
    """Whether any of the records makes, empties or removes a relation's file."""
    if bool((records.managers == _FILES).any()):
        return True
    ends = (records.managers == TRANSACTION) & (records.kinds & HAS_MORE != 0)
    for index in np.flatnonzero(ends):
        data = main_data(records.record(int(index)))
        if len(data) < 12 or struct.unpack_from("<I", data, 8)[0] & _REMOVES:
            return True
    return False


def main_data(record: memoryview) -> bytes:
    """The main data of a record that has no blocks; empty where it has any, or none."""
    at = HEADER
    while at < len(record):
        kind = record[at]
        if kind == SHORT_DATA:
            return bytes(record[at + 2 : at + 2 + record[at + 1]])
        if kind == LONG_DATA:
            length = struct.unpack_from("<I", record, at + 1)[0]
            return bytes(record[at + 5 : at + 5 + length])
        if kind not in {ORIGIN, TOP_TRANSACTION}:
            return b""
        at += 3 if kind == ORIGIN else 5
    return b""


def restore_points_in(records: Records) -> Iterator[tuple[int, int, str]]:
    """Named restore points: the positions of the record and behind it, and the name."""
    for index in np.flatnonzero((records.managers == XLOG) & (records.kinds & KIND == _RESTORE_POINT)):
        data = main_data(records.record(int(index)))
        if len(data) >= 72:
            name = data[8:72].split(b"\0")[0].decode("utf-8", "replace")
            yield int(records.positions[index]), int(records.ends[index]), name


def backup_ends_in(records: Records) -> Iterator[tuple[int, int]]:
    """Ends of backups: where the backup began, and the position behind the record."""
    for index in np.flatnonzero((records.managers == XLOG) & (records.kinds & KIND == BACKUP_END)):
        data = main_data(records.record(int(index)))
        if len(data) >= 8:
            yield struct.unpack_from("<Q", data)[0], int(records.ends[index])

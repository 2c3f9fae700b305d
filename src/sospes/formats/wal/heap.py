"""Which rows records of the log change: of which file of a relation, how, and how many.

Sources: PostgreSQL, src/include/access/heapam_xlog.h, xlogrecord.h. All is done with whole arrays.
"""

from __future__ import annotations

import struct
from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from sospes.formats.wal.blocks import COMPRESSED, HAS_HOLE, HAS_IMAGE, SAME_RELATION, SINCE_15, parts_of
from sospes.formats.wal.records import HEADER, LONG_DATA, ORIGIN, SHORT_DATA, TOP_TRANSACTION, Records

MORE_HEAP, HEAP = 9, 10
"""Managers of records about tables."""

OPERATION = 0x70
ROW_INSERTED, ROW_DELETED, ROW_UPDATED, ROW_UPDATED_HERE, ROW_IN_PLACE = 0x00, 0x10, 0x20, 0x40, 0x70
"""Kinds of records of `HEAP`; the last one changes a row where it stands, whoever may see it."""

ROWS_INSERTED = 0x50
"""A kind of records of `MORE_HEAP`."""

ROW_HEAD, HEAD_IN_LOG = 23, 5
"""Bytes of a row's head on a page, without what says which columns are missing; and what the log has instead."""

NEW_PAGE = 0x80
"""Bit of a record's kind: the page begins with its rows."""

INSERTED, UPDATED, DELETED = 0, 1, 2
"""What was done to rows."""

_TAKEN_BACK = 0x08
_LEAST = HEADER + 20
_ANY = np.array([ROW_INSERTED, ROW_DELETED, ROW_UPDATED, ROW_UPDATED_HERE], np.uint8)


@dataclass(frozen=True, slots=True, kw_only=True)
class Changes:
    """Changes of rows, in arrays of shape (changes,): by which record, in which database and file, what and how many.

    An insertion that is taken back, as its key was there already, counts as one of minus one row.
    """

    indexes: NDArray[np.int64]
    databases: NDArray[np.uint32]
    files: NDArray[np.uint32]
    done: NDArray[np.int64]
    rows: NDArray[np.int64]


@dataclass(frozen=True, slots=True, kw_only=True)
class FirstBlocks:
    """The first block of each of some records, in arrays of shape (records,), and where what follows its head stands.

    Records without blocks have zeros.
    """

    databases: NDArray[np.uint32]
    files: NDArray[np.uint32]
    behind: NDArray[np.int64]


def first_blocks(records: Records, indexes: NDArray[np.int64]) -> FirstBlocks:
    """The first block of each of some records, which are named by their indexes."""
    text = np.frombuffer(records.text, np.uint8)
    at = records.starts[indexes] + HEADER
    there = records.lengths[indexes] >= _LEAST
    at = np.where(there, at, 0)
    there &= text[at] == 0
    flags = text[at + 1]
    there &= flags & SAME_RELATION == 0
    image = flags & HAS_IMAGE != 0
    info = text[np.minimum(at + 8, len(text) - 1)]
    holed = (info & HAS_HOLE != 0) & (info & COMPRESSED[records.magic >= SINCE_15] != 0)
    relation = at + 4 + np.where(image, 5 + 2 * holed, 0)
    there &= relation + 16 <= records.starts[indexes] + records.lengths[indexes]
    relation = np.where(there, relation, 0)
    numbers = text[relation[:, None] + np.arange(12)].copy().view("<u4")
    numbers[~there] = 0
    return FirstBlocks(databases=numbers[:, 1], files=numbers[:, 2], behind=np.where(there, relation + 16, -1))


def changes_in(records: Records) -> Changes:
    """All changes of rows among some records."""
    what = records.kinds & OPERATION
    single = (records.managers == HEAP) & np.isin(what, _ANY)
    several = (records.managers == MORE_HEAP) & (what == ROWS_INSERTED)
    indexes = np.flatnonzero(single | several)
    blocks = first_blocks(records, indexes)
    known = blocks.behind >= 0
    indexes, behind = indexes[known], blocks.behind[known]
    what, several = what[indexes], several[indexes]
    done = np.full(len(indexes), UPDATED, np.int64)
    done[(what == ROW_INSERTED) | several] = INSERTED
    deleted = (what == ROW_DELETED) & ~several
    done[deleted] = DELETED
    rows = np.ones(len(indexes), np.int64)
    text = np.frombuffer(records.text, np.uint8)
    asked = np.flatnonzero(several | deleted)
    main = _main_data(records, text, indexes[asked], behind[asked])
    many, gone = several[asked], deleted[asked]
    rows[asked[many]] = text[main[many] + 2].astype(np.int64) + (text[main[many] + 3].astype(np.int64) << 8)
    back = asked[gone][text[main[gone] + 7] & _TAKEN_BACK != 0]
    done[back], rows[back] = INSERTED, -1
    return Changes(
        indexes=indexes, databases=blocks.databases[known], files=blocks.files[known], done=done, rows=rows
    )  # fmt: skip


def behind_head(row: bytes) -> int:
    """Where the first column begins of a row that has its short head of the log before it."""
    return HEAD_IN_LOG + row[4] - ROW_HEAD


def several_rows(data: bytes, count: int) -> Iterator[bytes]:
    """The rows of a record that has several of one page, each with its short head. Raises struct.error."""
    at = 0
    for _ in range(count):
        at += at & 1
        [length] = struct.unpack_from("<H", data, at)
        yield data[at + 2 : at + 2 + HEAD_IN_LOG + length]
        at += 2 + HEAD_IN_LOG + length


def _main_data(
    records: Records, text: NDArray[np.uint8], indexes: NDArray[np.int64], behind: NDArray[np.int64]
) -> NDArray[np.int64]:
    """Where the main data stand of records whose first block's head ends `behind`; nearly all have only that one."""
    for _ in range(2):
        kind = text[behind]
        behind = behind + np.where(kind == ORIGIN, 3, 0) + np.where(kind == TOP_TRANSACTION, 5, 0)
    kind = text[behind]
    length = np.where(kind == SHORT_DATA, text[np.minimum(behind + 1, len(text) - 1)], 0).astype(np.int64)
    is_long = np.flatnonzero(kind == LONG_DATA)
    if len(is_long):
        length[is_long] = text[behind[is_long][:, None] + 1 + np.arange(4)].copy().view("<u4")[:, 0]
    found: NDArray[np.int64] = records.starts[indexes] + records.lengths[indexes] - length
    for place in np.flatnonzero((kind != SHORT_DATA) & (kind != LONG_DATA)):
        with suppress(ValueError):
            begin, _ = parts_of(records.record(int(indexes[place])), records.magic).main
            found[place] = records.starts[indexes[place]] + begin
    return found.clip(0, max(0, len(text) - 8))

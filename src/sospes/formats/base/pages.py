"""Pages of a cluster's relations: checksums, and the sense of their headers, many at a time.

Sources: PostgreSQL, src/include/storage/bufpage.h (PageHeaderData) and checksum_impl.h, whose checksum is a variant of
FNV-1a in 32 lanes, with the block's number mixed in.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

RELATION = re.compile(
    r"(?:pg_tblspc/(?P<space>\d+)/[^/]+/(?P<there>\d+)|base/(?P<base>\d+)|(?P<shared>global))/"
    r"(?P<increment>INCREMENTAL\.)?(?P<relation>\d+)(?:_(?P<fork>fsm|vm|init))?(?:\.(?P<part>\d+))?\Z"
)
"""Paths of files that are made of pages: where they lie, the relation's number, its fork, and which part of it."""

_LANES = 32
_PRIME = np.uint32(16777619)
_SHIFT = np.uint32(17)
_BASES = np.array(
    [
        0x5B1F36E9, 0xB8525960, 0x02AB50AA, 0x1DE66D2A, 0x79FF467A, 0x9BB9F8A3, 0x217E7CD2, 0x83E13D2C,
        0xF8D4474F, 0xE39EB970, 0x42C6AE16, 0x993216FA, 0x7B093B5D, 0x98DAFF3C, 0xF718902A, 0x0B1C9CDB,
        0xE58F764B, 0x187636BC, 0x5D7B3BB1, 0xE73DE7DE, 0x92BEC979, 0xCCA6C0B2, 0x304A0979, 0x85AA43D4,
        0x783125BB, 0x6CA8EAA2, 0xE407EAC6, 0x4B5CFC3E, 0x9FBF8C76, 0x15CA20BE, 0xF2CA9FD3, 0x959BD756,
    ],
    dtype=np.uint32,
)  # fmt: skip
_AT_ONCE = 128
"""Pages that are worked on together: their lanes stay in the processor's own memory."""

_HEADER = 24
_KNOWN_FLAGS = 0x0007
_LAYOUT = 4


Block = tuple[int, int, int, int, int]
"""Tablespace, database, relation, fork and number of a block."""

_FORKS = {None: 0, "fsm": 1, "vm": 2, "init": 3}
_DEFAULT, _GLOBAL = 1663, 1664
BY_CHECKSUM = "its checksum doesn't hold"


@dataclass(frozen=True, slots=True)
class BadPage:
    """A page that can't be as it is: its number in the file, and what is wrong with it.

    log_position  the newest change that it says it has, as an offset in the log
    """

    number: int
    log_position: int
    problem: str

    @property
    def is_by_checksum(self) -> bool:
        """Whether only its checksum tells."""
        return self.problem == BY_CHECKSUM


@dataclass(frozen=True, slots=True, kw_only=True)
class FileOf:
    """Of which relation a file of pages is: tablespace, database, its number, its fork, and which part of it.

    increment  it holds only the pages that were changed since another backup
    """

    space: int
    database: int
    relation: int
    fork: str | None
    part: int
    increment: bool

    def block(self, number: int) -> Block:
        """A block of the relation, by its number, as the log names it."""
        return self.space, self.database, self.relation, _FORKS[self.fork], number


def file_of(path: str) -> FileOf | None:
    """Of which relation the file at a path of the cluster is; None for a file that is not made of pages."""
    found = RELATION.fullmatch(path)
    if found is None:
        return None
    space = int(found["space"]) if found["space"] else _GLOBAL if found["shared"] else _DEFAULT
    return FileOf(
        space=space, database=int(found["there"] or found["base"] or 0), relation=int(found["relation"]),
        fork=found["fork"], part=int(found["part"] or 0), increment=bool(found["increment"]),
    )  # fmt: skip


def checksums(pages: NDArray[np.uint32], blocks: NDArray[np.uint32]) -> NDArray[np.uint16]:
    """The checksums of pages of shape (pages, words), which are those blocks of their relation."""
    found = [_some(pages[at : at + _AT_ONCE], blocks[at : at + _AT_ONCE]) for at in range(0, len(pages), _AT_ONCE)]
    return np.concatenate(found) if found else np.empty(0, np.uint16)


def _some(pages: NDArray[np.uint32], blocks: NDArray[np.uint32]) -> NDArray[np.uint16]:
    rows = pages.reshape(len(pages), -1, _LANES)
    first = rows[:, 0].copy()
    first[:, 2] &= np.uint32(0xFFFF0000)  # the checksum itself counts as zero
    sums = np.broadcast_to(_BASES, (len(pages), _LANES)).copy()
    mixed = np.empty_like(sums)
    for row in range(rows.shape[1]):
        np.bitwise_xor(sums, rows[:, row] if row else first, out=sums)
        np.right_shift(sums, _SHIFT, out=mixed)
        np.multiply(sums, _PRIME, out=sums)
        np.bitwise_xor(sums, mixed, out=sums)
    for _ in range(2):
        np.right_shift(sums, _SHIFT, out=mixed)
        np.multiply(sums, _PRIME, out=sums)
        np.bitwise_xor(sums, mixed, out=sums)
    whole = np.bitwise_xor.reduce(sums, axis=1)
    found: NDArray[np.uint16] = ((whole ^ blocks) % np.uint32(65535) + np.uint32(1)).astype(np.uint16)
    return found


@dataclass(slots=True, kw_only=True)
class Pages:
    """How a relation's pages are checked.

    first_block  the number of the first page of the file in its relation
    checksums    whether pages have checksums
    newest       the newest change that any page says it has, as an offset in the log, and that page's number
    """

    page_size: int
    first_block: int
    checksums: bool
    newest: tuple[int, int] = (0, 0)

    def wrong(self, data: bytes, number: int, blocks: NDArray[np.uint32] | None = None) -> Iterator[BadPage]:
        """The pages that can't be, in whole pages of a file, of which the first is block `number` of the file.

        Those of an increment are `blocks` of the file, in order.
        """
        count = len(data) // self.page_size
        if not count:
            return
        words = np.frombuffer(data, "<u4", count * self.page_size // 4).reshape(count, -1)
        half = np.frombuffer(data, "<u2", count * self.page_size // 2).reshape(count, -1)
        # A page of nothing but zeros is one that was added and not used yet.
        used = half[:, 7] != 0
        if not used.all():
            used |= words.any(axis=1)
        position = (words[:, 0].astype(np.uint64) << np.uint64(32)) | words[:, 1].astype(np.uint64)
        if blocks is None:
            blocks = np.arange(number, number + count, dtype=np.uint32)
        told: dict[int, str] = {}
        if self.checksums:
            stored = half[:, 4]
            bad = used & (checksums(words, blocks + np.uint32(self.first_block)) != stored)
            told = dict.fromkeys(map(int, np.flatnonzero(bad)), BY_CHECKSUM)
        lower, upper, special, sized = half[:, 6], half[:, 7], half[:, 8], half[:, 9]
        strange = (
            (lower < _HEADER) | (lower > upper) | (upper > special) | (special > self.page_size)
            | ((sized & 0xFF00) != self.page_size) | ((sized & 0xFF) != _LAYOUT)
            | ((half[:, 5] & ~np.uint16(_KNOWN_FLAGS)) != 0) | ((special & 7) != 0)
        )  # fmt: skip
        for index in np.flatnonzero(used & strange):
            told.setdefault(int(index), "its header makes no sense")
        known = np.where(used, position, np.uint64(0))
        known[list(told)] = 0
        latest = int(known.argmax())
        self.newest = max(self.newest, (int(known[latest]), int(blocks[latest])))
        for bad_page, problem in sorted(told.items()):
            yield BadPage(int(blocks[bad_page]), int(position[bad_page]), problem)

"""Looks at the rows that differ, value by value, in memory that does not grow with their number."""

from __future__ import annotations

import pickle
import re
import sqlite3
from collections.abc import Callable, Iterator, Sequence
from contextlib import closing
from dataclasses import dataclass, field
from datetime import datetime
from decimal import Decimal, InvalidOperation
from itertools import takewhile
from pathlib import Path

import numpy as np
import xxhash
from numpy.typing import NDArray

from sospes.model.types import Meaning
from sospes.places.own import work_folder
from sospes.rows.canonical import NULL, canonical_cells
from sospes.rows.decoding import Row
from sospes.rows.digests import Unlike, key_text
from sospes.rows.explain import FEWEST, ChangeStatistics, Explanation, MissingRange, Numbers, explanations
from sospes.work.compare.pairing import Pair

_JSON_NUMBER = re.compile(rb'\{"\\u0000number": "([^"]*)"\}')
"""How the canonical form of a document marks its numbers."""

Rows = Callable[[], Iterator[Row]]
Watch = Callable[[str, Row | None, Row | None], None]


@dataclass(frozen=True, slots=True, kw_only=True)
class CellDifference:
    """A column and its value on both sides; None where that side has NULL, no row, or values are hidden."""

    name: str
    left: str | None
    right: str | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Difference:
    """One row that differs: only-left, only-right or changed; `key` is None where values are hidden."""

    table: str
    key: str | None
    kind: str
    columns: tuple[CellDifference, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Judging:
    """What counts as a difference, and how many of them are listed.

    drifted  whether a right row, as canonical cells, was written after the backup; None where nobody can tell
    watch    hears of each row that differs: how, and the row on both sides, None where there is none
    whole_columns  the canonical cells of columns, by their places, of all right rows, where `run` is not given those
                   that are known to be on the left as well; None where it is given all
    """

    pair: Pair
    tolerance: dict[str, str]
    limit: int
    hide: bool
    work_folder: Path | None
    drifted: Callable[[list[bytes]], bool] | None = None
    watch: Watch | None = None
    whole_columns: Callable[[Sequence[int]], Iterator[list[list[bytes]]]] | None = None


@dataclass(slots=True)
class Differences:
    """Differences between two tables; `run` fills them in."""

    judging: Judging
    found: Unlike
    left_rows: int
    right_rows: int
    listed: list[Difference] = field(default_factory=list)
    drift: int = 0
    _only_left: int = 0
    _only_right: int = 0
    _constant_rows: int = 0
    statistics: ChangeStatistics = field(init=False)
    _missing: dict[int, MissingRange] = field(init=False)

    def __post_init__(self) -> None:
        """Statistics over the pair's columns."""
        pair = self.judging.pair
        self.statistics = ChangeStatistics(pair.columns, pair.meanings)
        self._missing = {
            place: MissingRange(pair.columns[place], pair.meanings[place] is Meaning.INTEGER, place in pair.key)
            for place in dict.fromkeys((*pair.key[:1], *pair.timed))
        }

    @property
    def needed(self) -> bool:
        """Whether any row differs at all."""
        found = self.found
        return bool(len(found.left_only) or len(found.right_only) or len(found.both))

    @property
    def numbers(self) -> Numbers:
        """How many rows differ, and how."""
        return Numbers(
            left_rows=self.left_rows,
            right_rows=self.right_rows,
            only_left=self._only_left,
            only_right=self._only_right,
            changed=self.statistics.changed,
        )

    def explanations(self) -> Iterator[Explanation]:
        """The causes behind the differences."""
        if self.numbers.unlike:
            hide = self.judging.hide
            ranges = list(self._missing.values())
            yield from explanations(self.numbers, self.statistics, ranges, self._constant_rows, hide)

    def run(self, left: Rows, right: Rows) -> None:
        """Read both sides again and look at the rows whose keys were found unlike."""
        with work_folder(self.judging.work_folder) as folder:
            path = folder / "differences.sqlite"
            with closing(sqlite3.connect(path, isolation_level=None)) as store:
                for setting in ("journal_mode=OFF", "synchronous=OFF", "cache_size=-32000"):
                    store.execute(f"PRAGMA {setting}")
                store.execute("CREATE TABLE waiting (key INTEGER, cells BLOB, row BLOB)")
                store.execute("BEGIN")
                self._left(store, left)
                store.execute("CREATE INDEX waiting_key ON waiting (key)")
                self._right(store, right)
                self._remaining(store)
        constant = self.statistics.constant()
        if constant is not None:
            _, index, value = constant
            function = self.judging.pair.functions[index]
            cells: Iterator[bytes] = (function(row[index]) for row in right())
            if self.judging.whole_columns is not None:
                cells = (cell for [column] in self.judging.whole_columns([index]) for cell in column)
            self._constant_rows = sum(1 for _ in takewhile(value.__eq__, cells))

    def _keyed(self, rows: Iterator[Row]) -> Iterator[tuple[int, list[bytes], Row]]:
        """Canonical rows with the number that stands for their key, and the rows themselves."""
        pair = self.judging.pair
        functions = pair.functions
        for row in rows:
            cells = canonical_cells(row, functions)
            if pair.key:
                yield xxhash.xxh3_64_intdigest(key_text(cells, pair.key)), cells, row
            else:
                yield xxhash.xxh3_128_intdigest(b"\t".join(cells)) & (2**64 - 1), cells, row

    def _left(self, store: sqlite3.Connection, rows: Rows) -> None:
        """Keep the left rows whose keys or digests the right side lacks."""
        only, both = _Members(self.found.left_only), _Members(self.found.both)
        for key, cells, row in self._keyed(rows()):
            if key in both:
                kept = pickle.dumps(row) if self.judging.watch is not None else None
                store.execute("INSERT INTO waiting VALUES (?, ?, ?)", (_signed(key), b"\t".join(cells), kept))
            elif key in only:
                self._add_only_left(cells, row)

    def _right(self, store: sqlite3.Connection, rows: Rows) -> None:
        """Hold each right row against the left ones that were kept."""
        only, both = _Members(self.found.right_only), _Members(self.found.both)
        watched = {place: found for place, found in self._missing.items() if found.rows >= FEWEST}
        if watched and self.judging.whole_columns is not None:
            self._meet_whole(watched, self.judging.whole_columns(list(watched)))
            watched = {}
        for key, cells, row in self._keyed(rows()):
            for place, found in watched.items():
                found.meet((cells[place],))
            if key in both:
                self._match(store, key, cells, row)
            elif key in only:
                self._add_only_right(cells, row)

    def _meet_whole(self, watched: dict[int, MissingRange], parts: Iterator[list[list[bytes]]]) -> None:
        """Let the ranges meet all right rows, until none of them can hold any more."""
        for part in parts:
            for found, column in zip(watched.values(), part, strict=True):
                found.meet(column)
            if all(found.inside for found in watched.values()):
                return

    def _match(self, store: sqlite3.Connection, key: int, cells: list[bytes], right: Row) -> None:
        """Find the left row of the same key: an equal one first, else any whose key's text is the same."""
        pair = self.judging.pair
        waiting = store.execute("SELECT rowid, cells, row FROM waiting WHERE key = ?", (_signed(key),)).fetchall()
        whole = b"\t".join(cells)
        for row, other, _ in waiting:
            if other == whole:
                store.execute("DELETE FROM waiting WHERE rowid = ?", (row,))
                return
        for row, other, kept in waiting:
            left = other.split(b"\t")
            if pair.key and key_text(left, pair.key) == key_text(cells, pair.key):
                store.execute("DELETE FROM waiting WHERE rowid = ?", (row,))
                self._add_changed(left, cells, (_unpacked(kept), right))
                return
        self._add_only_right(cells, right)

    def _remaining(self, store: sqlite3.Connection) -> None:
        """Left rows that no right one came for."""
        for cells, kept in store.execute("SELECT cells, row FROM waiting ORDER BY rowid"):
            self._add_only_left(cells.split(b"\t"), _unpacked(kept))

    def _tell(self, kind: str, left: Row | None, right: Row | None) -> None:
        """Tell of one row whoever watches."""
        if self.judging.watch is not None:
            self.judging.watch(kind, left, right)

    def _add_only_left(self, cells: list[bytes], row: Row | None) -> None:
        """A row that only the left side has."""
        self._tell("only-left", row, None)
        self._only_left += 1
        for place, found in self._missing.items():
            found.add(cells[place])
        self._list("only-left", cells, cells, None, range(len(cells)))

    def _is_drift(self, cells: list[bytes]) -> bool:
        """Count a right row that was written after the backup apart from the differences."""
        if self.judging.drifted is None or not self.judging.drifted(cells):
            return False
        self.drift += 1
        return True

    def _add_only_right(self, cells: list[bytes], row: Row) -> None:
        """A row that only the right side has, unless it was written later."""
        if self._is_drift(cells):
            return
        self._tell("only-right", None, row)
        self._only_right += 1
        self._list("only-right", cells, None, cells, range(len(cells)))

    def _add_changed(self, left: list[bytes], right: list[bytes], rows: tuple[Row | None, Row]) -> None:
        """A row that both sides have, with other values, unless they are within the tolerance."""
        columns, tolerance = self.judging.pair.columns, self.judging.tolerance
        unlike = [
            index
            for index, (one, other) in enumerate(zip(left, right, strict=True))
            if one != other and not (columns[index] in tolerance and _near(one, other, tolerance[columns[index]]))
        ]
        if unlike and not self._is_drift(right):
            self._tell("changed", *rows)
            self.statistics.add(left, right, unlike)
            self._list("changed", left, left, right, unlike)

    def _list(
        self,
        kind: str,
        key_of: list[bytes],
        left: list[bytes] | None,
        right: list[bytes] | None,
        places: Sequence[int],
    ) -> None:
        """List a row, up to the limit."""
        if len(self.listed) >= self.judging.limit:
            return
        pair, hide = self.judging.pair, self.judging.hide
        cells = tuple(
            CellDifference(
                name=pair.columns[index],
                left=None if left is None or hide else _words(left[index]),
                right=None if right is None or hide else _words(right[index]),
            )
            for index in places
        )
        words = ", ".join(_words(key_of[index]) or "NULL" for index in pair.key)
        key = None if hide or not pair.key else words
        self.listed.append(Difference(table=pair.name.full_label, key=key, kind=kind, columns=cells))


def _unpacked(kept: bytes | None) -> Row | None:
    """A row that was put away in the store of this very run."""
    if kept is None:
        return None
    row: Row = pickle.loads(kept)
    return row


class _Members:
    """Whether a key is among many; a sorted array takes a tenth of a set's memory."""

    def __init__(self, keys: NDArray[np.uint64]) -> None:
        self._keys = np.sort(keys)
        self._few = set(self._keys.tolist()) if len(keys) <= 1 << 16 else None

    def __contains__(self, key: int) -> bool:
        if self._few is not None:
            return key in self._few
        place = int(np.searchsorted(self._keys, np.uint64(key)))
        return place < len(self._keys) and int(self._keys[place]) == key


def _signed(key: int) -> int:
    """A key of 64 bits as SQLite holds it."""
    return key - (1 << 64) if key >= 1 << 63 else key


def _words(cell: bytes) -> str | None:
    """A canonical cell as people read it."""
    if cell == NULL:
        return None
    if b"\\" in cell and not cell.startswith(b"\\x"):
        cell = cell.replace(b"\\t", b"\t").replace(b"\\n", b"\n").replace(b"\\\\", b"\\")
    return _JSON_NUMBER.sub(rb"\1", cell).decode("utf-8", "replace")


def _near(one: bytes, other: bytes, tolerance: str) -> bool:
    """Whether two numbers, or two times in seconds, are no further apart than is tolerated."""
    if NULL in {one, other}:
        return False
    try:
        return abs(Decimal(one.decode()) - Decimal(other.decode())) <= Decimal(tolerance)
    except (InvalidOperation, UnicodeDecodeError):
        pass
    try:
        apart = datetime.fromisoformat(one.decode()) - datetime.fromisoformat(other.decode())
        return Decimal(str(abs(apart.total_seconds()))) <= Decimal(tolerance)
    except (ValueError, TypeError):
        return False

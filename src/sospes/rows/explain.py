"""Finds the cause behind many differences, and says it in one sentence. Each cause has to account for every
row that it claims: one row that does not fit, and it is not named."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, field, replace

from sospes.model.types import Meaning
from sospes.rows.canonical import NULL
from sospes.rows.causes import Cause, CauseKind, Causes

FEWEST = 2
"""A cause is named for two rows and more; a single difference explains itself."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Explanation:
    """A cause: its kind, the rows that it accounts for, their share of all differing rows, and a sentence.

    columns  those whose values it changed; none where rows are missing
    detail   what tells it from another one of its kind
    """

    kind: str
    rows: int
    share: float
    sentence: str
    columns: tuple[str, ...] = ()
    detail: str = ""


@dataclass(slots=True)
class MissingRange:
    """Values of a column in rows that the right side lacks: the lowest, the highest, and how many."""

    column: str
    numeric: bool
    is_key: bool
    rows: int = 0
    values: int = 0
    lowest: int | bytes | None = None
    highest: int | bytes | None = None
    inside: int = 0

    def add(self, key: bytes) -> None:
        """Take in the value of a missing row."""
        value = self._value(key)
        self.rows += 1
        if value is None:
            return
        self.values += 1
        if self.lowest is None or value < self.lowest:  # type: ignore[operator]
            self.lowest = value
        if self.highest is None or value > self.highest:  # type: ignore[operator]
            self.highest = value

    def meet(self, keys: Iterable[bytes]) -> None:
        """Take in the values of rows that the other side has: inside of the range they break it."""
        low, high = self.lowest, self.highest
        if low is None or high is None:
            return
        values = filter(lambda value: value is not None, map(self._value, keys))
        self.inside += sum(low <= value <= high for value in values)  # type: ignore[operator]

    def _value(self, key: bytes) -> int | bytes | None:
        if key == NULL:
            return None
        if not self.numeric:
            return key
        try:
            return int(key)
        except ValueError:
            return None

    @property
    def words(self) -> str:
        """The range as people write it."""
        return f"{_as_written(self.lowest)} to {_as_written(self.highest)}"


def _as_written(value: int | bytes | None) -> str:
    if value is None:
        return ""
    return value.decode("utf-8", "replace") if isinstance(value, bytes) else str(value)


@dataclass(slots=True)
class ColumnsOfCause:
    """How many changed rows a cause accounts for, and in which columns."""

    rows: int = 0
    columns: dict[str, None] = field(default_factory=dict)


@dataclass(slots=True)
class ChangeStatistics:
    """What changed rows have in common, gathered row by row."""

    columns: Sequence[str]
    meanings: Sequence[Meaning]
    changed: int = 0
    by_column: Counter[str] = field(default_factory=Counter)
    causes: dict[Cause, ColumnsOfCause] = field(default_factory=dict)
    _single: dict[int, bytes | None] = field(default_factory=dict)
    _causes: Causes = field(default_factory=Causes)

    def add(self, left: Sequence[bytes], right: Sequence[bytes], unlike: Sequence[int]) -> None:
        """Take in a changed row: the cells of both sides, and the indexes of those that differ."""
        self.changed += 1
        for index in unlike:
            self.by_column[self.columns[index]] += 1
            value = right[index]
            if self._single.setdefault(index, value) != value:
                self._single[index] = None
        self._add_causes(left, right, unlike)

    def _add_causes(self, left: Sequence[bytes], right: Sequence[bytes], unlike: Sequence[int]) -> None:
        """Count the row for its causes, if all of its changed cells have one."""
        found: dict[Cause, list[str]] = {}
        for index in unlike:
            cause = self._causes.of(left[index], right[index], self.meanings[index])
            if cause is None:
                return
            found.setdefault(cause, []).append(self.columns[index])
        for cause, columns in found.items():
            known = self.causes.setdefault(cause, ColumnsOfCause())
            known.rows += 1
            known.columns.update(dict.fromkeys(columns))

    def constant(self) -> tuple[str, int, bytes] | None:
        """The one column that differs in every changed row and has the same value in all of them on the right."""
        for index, value in self._single.items():
            if value is not None and self.by_column[self.columns[index]] == self.changed >= FEWEST:
                return self.columns[index], index, value
        return None


@dataclass(frozen=True, slots=True, kw_only=True)
class Numbers:
    """How many rows a comparison is about."""

    left_rows: int
    right_rows: int
    only_left: int
    only_right: int
    changed: int

    @property
    def unlike(self) -> int:
        """All rows that differ."""
        return self.only_left + self.only_right + self.changed


def explanations(
    numbers: Numbers, statistics: ChangeStatistics, missing: Sequence[MissingRange], constant_rows: int, hide: bool
) -> Iterator[Explanation]:
    """The causes that account for the differences, the largest first.

    missing        the ranges of columns that might be gone as a whole, the key's first
    constant_rows  rows of the right in which the column of `statistics.constant()` has its value
    hide           leaves the values out of the sentences
    """
    found = [
        *_gone(numbers),
        *_constant(numbers, statistics, constant_rows, hide),
        *_range(numbers, missing, hide),
        *_of_cells(statistics),
    ]
    yield from (
        replace(one, share=round(one.rows / numbers.unlike, 4)) for one in sorted(found, key=lambda one: -one.rows)
    )


def _found(kind: str, rows: int, sentence: str, columns: Iterable[str] = (), detail: str = "") -> Explanation:
    """A cause whose share of all differing rows is not known yet."""
    return Explanation(kind=kind, rows=rows, share=0.0, sentence=sentence, columns=tuple(columns), detail=detail)


def _gone(numbers: Numbers) -> Iterator[Explanation]:
    if numbers.right_rows == 0 and numbers.left_rows > 0:
        yield _found("table-gone", numbers.left_rows, f"all {numbers.left_rows:,} rows of the table are gone")


def _constant(numbers: Numbers, statistics: ChangeStatistics, constant_rows: int, hide: bool) -> Iterator[Explanation]:
    found = statistics.constant()
    if found is None:
        return
    column, _, raw = found
    value = "NULL" if raw == NULL else repr(raw.decode("utf-8", "replace"))
    value = "one value" if hide else value
    if constant_rows == numbers.right_rows:
        sentence = f"column {column} is set to {value} in every row; {statistics.changed:,} rows had another value"
        yield _found("column-set-everywhere", statistics.changed, sentence, [column])


def _range(numbers: Numbers, ranges: Sequence[MissingRange], hide: bool) -> Iterator[Explanation]:
    """The first range that no row of the right lies in."""
    for missing in ranges:
        whole = missing.values == missing.rows >= FEWEST and missing.inside == 0
        if whole and numbers.right_rows:
            words = "" if hide else f", {missing.words}"
            if missing.is_key:
                kind, what = "key-range-missing", "keys is missing"
            else:
                kind, what = "time-range-missing", f"times is missing, column {missing.column}"
            yield _found(kind, missing.rows, f"a contiguous range of {missing.rows:,} {what}{words}")
            return


_ALONE = frozenset({CauseKind.EMPTIED, CauseKind.CHARACTERS, CauseKind.BLANKS})
"""Causes that can't be chance, so that they are named for a single row."""

_SENTENCES = {
    CauseKind.EMPTIED: "NULL stands against empty text",
    CauseKind.CHARACTERS: "text is damaged by a wrong character set: {words}",
    CauseKind.SHIFTED: "times are {words}",
    CauseKind.TIMES_ROUNDED: "times lost fractions of seconds {words}",
    CauseKind.ROUNDED: "numbers are rounded {words}",
    CauseKind.BLANKS: "blanks at the end of text {words}",
    CauseKind.CUT: "text is cut {words}",
}


def _of_cells(statistics: ChangeStatistics) -> Iterator[Explanation]:
    """Causes between the cells of changed rows."""
    for cause, found in statistics.causes.items():
        if found.rows >= FEWEST or cause.kind in _ALONE:
            columns = ", ".join(found.columns)
            sentence = _SENTENCES[cause.kind].format(words=cause.words)
            rows = "1 row" if found.rows == 1 else f"{found.rows:,} rows"
            told = f"in {rows} {sentence}, column {columns}"
            yield _found(cause.kind, found.rows, told, found.columns, cause.words)

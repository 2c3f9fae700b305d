"""Compares rows: counts, control totals, every row by its key, and the causes behind the differences."""

from __future__ import annotations

import time
from collections.abc import Callable, Iterator, Mapping, Sequence
from contextlib import ExitStack
from dataclasses import dataclass, field, replace
from datetime import UTC, datetime
from functools import partial
from itertools import islice, zip_longest
from pathlib import Path
from tempfile import TemporaryFile
from typing import IO

from sospes.formats.opening import Opening
from sospes.model.entries import Name
from sospes.model.errors import NotFound, UsageError
from sospes.model.findings import Finding, Place, doubt, fault, note, verdict_of
from sospes.model.verdict import Rung, Severity, Verdict
from sospes.rows.canonical import NULL, canonical_cells
from sospes.rows.copied import CopySum
from sospes.rows.decoding import Row
from sospes.rows.digests import DigestStore, digest_rows, unlike
from sospes.rows.explain import Explanation
from sospes.rows.totals import Total, TotalPair, paired
from sospes.rows.types import Meaning
from sospes.sides.servers.address import Address
from sospes.work.differences import Difference, Differences, Judging, Watch
from sospes.work.figures import CheckedFigure
from sospes.work.lined import LinedPair, OddRows, lined_pairs, odd_sides
from sospes.work.object_differences import (
    ObjectDifference,
    Scope,
    differing_objects,
    listed_objects,
    object_sides,
    told,
)
from sospes.work.outcome import Outcome
from sospes.work.pairing import Pair, Pairing, pair_tables
from sospes.work.row_sides import BackupRows, LiveRows, Reading, RowPart, RowSide, RowTable, open_side


@dataclass(frozen=True, slots=True, kw_only=True)
class ComparedTable:
    """What became of one table.

    drift  rows of a live right side that were written after the backup, apart from the differences; None where no
           column says when a row was written
    """

    database: str | None
    schema: str | None
    name: str
    left_rows: int
    right_rows: int
    same: int
    only_left: int
    only_right: int
    changed: int
    drift: int | None
    key: tuple[str, ...]
    columns_changed: dict[str, int]
    totals: tuple[TotalPair, ...]
    explanations: tuple[Explanation, ...]
    left_digest: str
    right_digest: str

    @property
    def label(self) -> str:
        """The name as people write it."""
        return ".".join(part for part in (self.schema or self.database, self.name) if part)


@dataclass(frozen=True, slots=True, kw_only=True)
class Comparison:
    """All compared tables, the first of the rows that differ, and objects that differ; None where not compared."""

    left: str
    right: str
    tables: tuple[ComparedTable, ...]
    differences: tuple[Difference, ...]
    objects: tuple[ObjectDifference, ...] | None
    figures: tuple[CheckedFigure, ...] | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Comparing:
    """How to compare.

    tables     names of the only tables to compare; all when empty
    key        columns that tell rows apart, in place of the primary key
    ignored    columns that are left out
    tolerance  by column, how far two numbers may be apart
    limit      how many differing rows to list
    hide       leave all values out of the result
    timeout_seconds  how long one statement on a live server may take
    gentle     leave half of the time of a live server to others
    drift_by   the column of live tables that says when a row was written
    written_at  when the backup was written, with a zone, where it doesn't say so itself
    rows_only   leave out what the sides define besides rows
    exact       compare the values' very text, and not what they mean
    totals      columns of numbers, as TABLE.COLUMN, whose control totals are wanted
    """

    opening: Opening
    tables: Sequence[str] = ()
    key: Sequence[str] = ()
    ignored: Sequence[str] = ()
    tolerance: dict[str, str] = field(default_factory=dict)
    limit: int = 20
    hide: bool = False
    timeout_seconds: int = 3600
    gentle: bool = False
    drift_by: str | None = None
    written_at: datetime | None = None
    rows_only: bool = False
    exact: bool = False
    totals: Sequence[str] = ()
    progress: Callable[[int], None] | None = None


def compare(left_place: Path | Address, right_place: Path | Address, how: Comparing) -> Outcome[Comparison]:
    """Compare LEFT, what was recovered, with RIGHT, what it should be. Both are only read."""
    begin = time.perf_counter()
    with ExitStack() as stack:
        left, right = (opened_side(place, how, stack) for place in (left_place, right_place))
        comparison, findings = _compare(left, right, _time_written(left, how), stack)
    return concluded(comparison, [*side_findings(left, "left"), *side_findings(right, "right"), *findings], begin)


def concluded(comparison: Comparison, findings: Sequence[Finding], begin: float) -> Outcome[Comparison]:
    """The outcome of a comparison that began at a time of the performance counter."""
    evidence = [Rung.PRESENT, Rung.IDENTIFIED]
    if verdict_of(findings) is Verdict.SOUND:
        evidence.append(Rung.MATCHED)
    return Outcome(
        name=comparison.left,
        findings=tuple(findings),
        evidence=tuple(evidence),
        result=comparison,
        seconds=time.perf_counter() - begin,
    )


def opened_side(place: Path | Address, how: Comparing, stack: ExitStack) -> RowSide:
    """A side; a live one is closed with the stack."""
    reading = Reading(how.timeout_seconds, how.gentle)
    side = open_side(place, how.opening, lambda _: True, reading)  # tables are chosen once both are known
    if isinstance(side, LiveRows):
        stack.callback(side.close)
    return side


def _compare(left: RowSide, right: RowSide, how: Comparing, stack: ExitStack) -> tuple[Comparison, list[Finding]]:
    pairing = _paired(left, right, how)
    findings: list[Finding] = list(_structure(pairing, left, right))
    objects, told_of_objects = _objects(pairing, left, right, how)
    whole = [pair for pair in pairing.pairs if not (pair.left_extra or pair.right_extra or how.ignored)]
    lined = lined_pairs(left, right, whole, how.progress or (lambda _: None))
    found: dict[Name, tuple[ComparedTable, list[Difference]]] = {
        pair.name: (_same(pair, lined[pair.name].left), [])
        for pair in pairing.pairs
        if pair.name in lined and lined[pair.name].equal
    }
    odd = [pair for pair in pairing.pairs if pair.name in lined and not lined[pair.name].equal]
    if odd and isinstance(left, BackupRows) and isinstance(right, BackupRows | LiveRows):
        sides = odd_sides((left, right), odd, lined, how.opening.work_folder)
        found |= _looked_at(odd, sides, how, stack, lined)
    found |= _looked_at([pair for pair in pairing.pairs if pair.name not in lined], (left, right), how, stack, {})
    tables = [found[pair.name][0] for pair in pairing.pairs]
    for table in tables:
        findings += _table_findings(table, left.name, isinstance(right, LiveRows))
    comparison = Comparison(
        left=left.name, right=right.name, tables=tuple(tables), objects=objects,
        differences=_spread([found[pair.name][1] for pair in pairing.pairs], how.limit),
    )  # fmt: skip
    return comparison, [*findings, *told_of_objects]


def _paired(left: RowSide, right: RowSide, how: Comparing) -> Pairing:
    """The tables that belong together. Raises NotFound for a control total of a column that has none."""
    pairing = pair_tables(left, right, how.tables, how.key, how.ignored)
    known = {
        label
        for pair in pairing.pairs
        for index in pair.summed
        for label in column_labels(pair.name, pair.columns[index])
    }
    for wanted in how.totals:
        if wanted not in known:
            raise NotFound(f"{wanted}: no compared table has such a column of numbers", "write it as TABLE.COLUMN")
    if not how.exact:
        return pairing
    pairs = (replace(pair, meanings=tuple(Meaning.TEXT for _ in pair.meanings)) for pair in pairing.pairs)
    return replace(pairing, pairs=tuple(pairs))


def column_labels(table: Name, column: str) -> set[str]:
    """How a person may call a column."""
    return {f"{table.name}.{column}", f"{table.label}.{column}", f"{table.full_label}.{column}"}


def _looked_at(
    pairs: Sequence[Pair], sides: tuple[RowSide, RowSide], how: Comparing, stack: ExitStack,
    lined: Mapping[Name, LinedPair],
) -> dict[Name, tuple[ComparedTable, list[Difference]]]:  # fmt: skip
    """Compare tables row by row. Of those in `lined`, the sides have only rows whose lines differ."""
    left, right = sides
    left_sums = summed(left, {pair.left.name: pair for pair in pairs}, stack, how)
    right_sums = summed(right, {pair.right.name: pair for pair in pairs}, stack, how)
    found = {}
    for pair in pairs:
        one, other = left_sums[pair.left.name], right_sums[pair.right.name]
        if pair.name in lined:
            both = lined[pair.name]
            one, other = one.widened(both.left, pair), other.widened(both.right, pair)
        differences = differences_of(pair, (one, other), (left, right), how)
        found[pair.name] = (_compared(pair, one, other, differences), differences.listed)
    return found


def _objects(
    pairing: Pairing, left: RowSide, right: RowSide, how: Comparing
) -> tuple[tuple[ObjectDifference, ...] | None, list[Finding]]:
    """What differs besides rows; None where it is not asked for, or a side can't have it."""
    sides = None if how.rows_only else object_sides(left, right)
    if sides is None:
        return None, []
    tables = {(table.name.schema or "", table.name.name) for pair in pairing.pairs for table in (pair.left, pair.right)}
    columns = {
        (pair.left.name.schema or "", pair.left.name.name, column)
        for pair in pairing.pairs
        for column in (*pair.left_extra, *pair.right_extra, *how.ignored)
    }
    scope = Scope(frozenset(tables) if how.tables else None, frozenset(columns))
    unlike_ones, notes = differing_objects(*sides, scope)
    return listed_objects(unlike_ones), [*told(unlike_ones, left.name, right.name), *notes]


def _same(pair: Pair, found: CopySum) -> ComparedTable:
    """A table that is the same on both sides."""
    sums = {pair.columns[index]: found.total_of(pair.columns[index]) for index in pair.summed}
    return ComparedTable(
        database=pair.name.database, schema=pair.name.schema, name=pair.name.name, left_rows=found.rows,
        right_rows=found.rows, same=found.rows, only_left=0, only_right=0, changed=0, drift=None,
        key=tuple(pair.columns[index] for index in pair.key), columns_changed={},
        totals=tuple(paired(name, total, total) for name, total in sums.items()),
        explanations=(), left_digest=found.hexadecimal, right_digest=found.hexadecimal,
    )  # fmt: skip


@dataclass(slots=True)
class _Sum:
    """One table on one side: its digests and its totals; and those of the whole, where equal lines were left out."""

    digests: DigestStore
    totals: list[Total]
    whole: CopySum | None = None

    @property
    def rows(self) -> int:
        """All rows of the table."""
        return self.digests.rows if self.whole is None else self.whole.rows

    @property
    def hexadecimal(self) -> str:
        """The digest of the table."""
        return self.digests.hexadecimal if self.whole is None else self.whole.hexadecimal

    def widened(self, whole: CopySum, pair: Pair) -> _Sum:
        """The same with what is known of the whole table."""
        return _Sum(self.digests, [whole.total_of(pair.columns[index]) for index in pair.summed], whole)


def summed(side: RowSide, by_name: dict[Name, Pair], stack: ExitStack, how: Comparing) -> dict[Name, _Sum]:
    """Read all rows of a side's tables once."""
    sums = {
        name: _Sum(
            DigestStore(stack.enter_context(_spool(how))),
            [Total() for _ in pair.summed],
        )
        for name, pair in by_name.items()
    }
    for part in side.parts(lambda name: name in by_name):
        pair, found = by_name.get(part.table), sums.get(part.table)
        if pair is None or found is None:
            continue
        rows = chosen(part, pair)
        functions = pair.functions
        found.digests.add(digest_rows((canonical_cells(row, functions) for row in rows), pair.key))
        for index, total in zip(pair.summed, found.totals, strict=True):
            total.add([row[index] for row in rows])
        if how.progress is not None:
            how.progress(side.bytes_read)
    return sums


def _spool(how: Comparing) -> IO[bytes]:
    """A file without a name, which is gone as soon as it is closed."""
    return TemporaryFile(dir=how.opening.work_folder)


def chosen(part: RowPart, pair: Pair) -> list[Row]:
    """The cells that both sides have, in the pair's order."""
    folded = [name.casefold() for name in part.columns]
    places = [
        part.columns.index(name) if name in part.columns else folded.index(name.casefold()) for name in pair.columns
    ]
    if places == list(range(len(part.columns))):
        return part.rows
    return [tuple(row[place] for place in places) for row in part.rows]


def differences_of(
    pair: Pair, sums: tuple[_Sum, _Sum], sides: tuple[RowSide, RowSide], how: Comparing, watch: Watch | None = None
) -> Differences:
    """Look at the rows of a pair that differ; sums and sides are left and right. `watch` hears of each."""
    (one, other), (left, right) = sums, sides
    found = unlike(one.digests, other.digests)
    judging = Judging(
        pair=pair,
        tolerance=how.tolerance,
        limit=how.limit,
        hide=how.hide,
        work_folder=how.opening.work_folder,
        drifted=_drifted(pair, how) if isinstance(right, LiveRows | OddRows) and _is_live(right) else None,
        watch=watch,
        whole_column=partial(_whole_column, right, pair) if isinstance(right, OddRows) and pair.key else None,
    )
    differences = Differences(judging, found, one.rows, other.rows)
    if differences.needed:
        differences.run(lambda: _rows_of(left, pair.left.name, pair), lambda: _rows_of(right, pair.right.name, pair))
    return differences


def _is_live(side: LiveRows | OddRows) -> bool:
    return isinstance(side.side if isinstance(side, OddRows) else side, LiveRows)


def _whole_column(right: OddRows, pair: Pair, place: int) -> Iterator[bytes]:
    """One column's cells of all right rows, as they are compared."""
    column, function = pair.columns[place], pair.functions[place]
    cells = right.cells(pair.right.name, column)
    if pair.meanings[place] is Meaning.INTEGER:
        yield from cells  # written in one way only
        return
    for cell in cells:
        if b"\\" in cell:
            yield NULL if cell == b"\\N" else cell  # its escapes are those of canonical text
        else:
            yield function(cell.decode("utf-8", "replace"))


def _rows_of(side: RowSide, name: Name, pair: Pair) -> Iterator[Row]:
    """One table's rows, with the cells that both sides have."""
    for part in side.parts(lambda other: other == name):
        if part.table == name:
            yield from chosen(part, pair)


def _compared(pair: Pair, one: _Sum, other: _Sum, differences: Differences) -> ComparedTable:
    numbers = differences.numbers
    return ComparedTable(
        database=pair.name.database,
        schema=pair.name.schema,
        name=pair.name.name,
        left_rows=one.rows,
        right_rows=other.rows,
        same=one.rows - numbers.only_left - numbers.changed - min(differences.drift, one.rows),
        only_left=numbers.only_left,
        only_right=numbers.only_right,
        changed=numbers.changed,
        drift=differences.drift if differences.judging.drifted is not None else None,
        key=tuple(pair.columns[index] for index in pair.key),
        columns_changed=dict(differences.statistics.by_column),
        totals=tuple(
            paired(pair.columns[index], mine, theirs)
            for index, mine, theirs in zip(pair.summed, one.totals, other.totals, strict=True)
        ),
        explanations=tuple(differences.explanations()),
        left_digest=one.hexadecimal,
        right_digest=other.hexadecimal,
    )


def _structure(pairing: Pairing, left: RowSide, right: RowSide) -> Iterator[Finding]:
    """Tables and columns that only one side has."""
    for tables, here, there in ((pairing.only_left, left, right), (pairing.only_right, right, left)):
        for table in tables:
            yield fault(
                "table-missing",
                f"{table.name.label} is in {here.name}, and not in {there.name}",
                "if that is meant, name the tables to compare with --table",
                _place(table),
            )
    for pair in pairing.pairs:
        for names, here, there in ((pair.left_extra, left, right), (pair.right_extra, right, left)):
            for name in names:
                yield fault(
                    "column-missing",
                    f"{pair.name.label}: column {name} is in {here.name}, and not in {there.name}",
                    f"if that is meant, leave it out with --ignore {name}",
                    _place(pair.left),
                )


def _place(table: RowTable) -> Place:
    return Place(database=table.name.database, schema=table.name.schema, table=table.name.name)


def side_findings(side: RowSide, which: str) -> Iterator[Finding]:
    """What is wrong with a side itself, told apart from the differences."""
    for finding in side.findings:
        if finding.severity is not Severity.NOTE:
            yield replace(finding, message=f"{which} side: {finding.message}").at(file=side.name)


def _spread(listed: list[list[Difference]], limit: int) -> tuple[Difference, ...]:
    """Some differences of each table, as many as may be listed, so that no table hides the others."""
    turns = (item for turn in zip_longest(*listed) for item in turn if item is not None)
    chosen = set(map(id, islice(turns, limit)))
    return tuple(item for table in listed for item in table if id(item) in chosen)


def _table_findings(table: ComparedTable, left: str, live: bool) -> Iterator[Finding]:
    """What is wrong with a table. Deleted rows leave no time stamp, so on a live side they could always be drift."""
    label = table.label
    place = Place(database=table.database, schema=table.schema, table=table.name)
    because = f": {table.explanations[0].sentence}" if table.explanations else ""
    told = table.drift is not None
    for count, code, one, many, unsure in (
        (table.only_left, "rows-missing", "is missing on the right", "are missing on the right", live),
        (table.only_right, "rows-extra", "is only on the right", "are only on the right", live and not told),
        (table.changed, "rows-changed", "differs", "differ", live and not told),
    ):
        if not count:
            continue
        rows = f"1 row {one}" if count == 1 else f"{count:,} rows {many}"
        if unsure:
            advice = "find out whether they were meant"
            advice += "" if told else "; --drift-by COLUMN tells later changes apart, where a column says when"
            message = f"{label}: {rows}; that could be drift, changes made after the backup{because}"
            yield doubt(code, message, advice, place)
        else:
            yield fault(
                code, f"{label}: {rows}{because}", f"to have the left rows: sospes extract {left} {label}", place
            )
    if table.drift:
        yield note("drift", f"{label}: {table.drift:,} rows were written after the backup", "", place)


def _drifted(pair: Pair, how: Comparing) -> Callable[[list[bytes]], bool] | None:
    """Whether a live row was written after the backup, by its own column; None without such a column."""
    if how.drift_by is None or how.written_at is None or how.drift_by not in pair.columns:
        return None
    place = pair.columns.index(how.drift_by)
    written = how.written_at

    def drifted(cells: list[bytes]) -> bool:
        try:
            stamp = datetime.fromisoformat(cells[place].decode())
        except ValueError:
            return False
        return (stamp if stamp.tzinfo else stamp.replace(tzinfo=UTC)) > written

    return drifted


def _time_written(left: RowSide, how: Comparing) -> Comparing:
    """The time that the backup was written: what was stated, else what the backup says.

    Raises UsageError where drift is asked for and nobody knows.
    """
    if how.drift_by is None or how.written_at is not None:
        return how
    found = stated_time(left)
    if found is None or found.tzinfo is None:
        stated = left.written_at if isinstance(left, BackupRows) else None
        raise UsageError(
            f"{left.name}: does not say when it was written, with a zone" + (f" ({stated})" if stated else ""),
            "state it with --written-at 2026-11-22T03:00:00+00:00",
        )
    return replace(how, written_at=found)


def stated_time(side: RowSide) -> datetime | None:
    """When a backup was written, by its own words; None where it doesn't say, or not as a time."""
    try:
        return datetime.fromisoformat((side.written_at if isinstance(side, BackupRows) else None) or "")
    except ValueError:
        return None

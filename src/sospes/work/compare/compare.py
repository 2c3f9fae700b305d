"""Compares rows: counts, control totals, every row by its key, and the causes behind the differences."""

from __future__ import annotations

import time
from collections.abc import Iterator, Sequence
from contextlib import ExitStack
from dataclasses import dataclass, replace
from itertools import islice, zip_longest
from pathlib import Path

from sospes.model.accounts import UnlikeAccount, unlike_accounts
from sospes.model.entries import Name
from sospes.model.errors import NotFound
from sospes.model.findings import Finding, Place, doubt, fault, note, verdict_of
from sospes.model.moments import Reached
from sospes.model.outcome import Outcome
from sospes.model.types import Meaning
from sospes.model.verdict import Rung, Severity, Verdict
from sospes.rows.explain import Explanation, Numbers
from sospes.rows.totals import TotalPair, paired
from sospes.sides.servers.address import Address
from sospes.work.compare.differences import Difference, Differences
from sospes.work.compare.drift import require_drift, with_time
from sospes.work.compare.figures import CheckedFigure
from sospes.work.compare.matching import Comparing, Matched, matched, reading
from sospes.work.compare.pairing import Pairing, pair_tables
from sospes.work.compare.sides.opening import open_sides
from sospes.work.compare.sides.protocol import RowSide, RowTable
from sospes.work.objects.accounts import AccountDifference, listed_accounts, told_accounts
from sospes.work.objects.differences import (
    ObjectDifference,
    Scope,
    differing_objects,
    listed_objects,
    object_sides,
    told,
)

MOST_TOLD = 4
"""Tables, or columns of one, that one side lacks and that are told one by one."""


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

    @property
    def label(self) -> str:
        """The name as people write it, with its database where the backup says which one that is."""
        return ".".join(part for part in (self.database, self.schema, self.name) if part)


@dataclass(frozen=True, slots=True, kw_only=True)
class Comparison:
    """All compared tables, the first of the rows that differ, and objects that differ; None where not compared."""

    left: str
    right: str
    tables: tuple[ComparedTable, ...]
    differences: tuple[Difference, ...]
    objects: tuple[ObjectDifference, ...] | None
    figures: tuple[CheckedFigure, ...] | None = None
    accounts: tuple[AccountDifference, ...] | None = None
    reached: Reached | None = None


def compare(left_place: Path | Address, right_place: Path | Address, how: Comparing) -> Outcome[Comparison]:
    """Compare LEFT, what was recovered, with RIGHT, what it should be. Both are only read."""
    begin = time.perf_counter()
    with ExitStack() as stack:
        require_drift(left_place, right_place, how)
        left, right = opened_sides(left_place, right_place, how, stack)
        comparison, findings = _compare(left, right, with_time(left, how), stack)
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


def opened_sides(
    left: Path | Address, right: Path | Address, how: Comparing, stack: ExitStack
) -> tuple[RowSide, RowSide]:
    """Both sides; live ones are closed with the stack."""
    return open_sides(left, right, reading(how, None if how.ignored else how.tables), stack)


def _compare(left: RowSide, right: RowSide, how: Comparing, stack: ExitStack) -> tuple[Comparison, list[Finding]]:
    pairing = _paired(left, right, how)
    findings: list[Finding] = [*pairing.findings, *_structure(pairing, left, right)]
    objects, told_of_objects = _objects(pairing, left, right, how)
    tables: list[ComparedTable] = []
    differences: list[list[Difference]] = []
    for found in matched(left, right, pairing, how, stack):
        looked_at = found.differences()
        tables.append(_compared(found, looked_at))
        differences.append(looked_at.listed if looked_at is not None else [])
        findings += _table_findings(tables[-1], left.name, found.live)
    accounts = _accounts(left, right, how)
    comparison = Comparison(
        left=left.name, right=right.name, tables=tuple(tables), objects=objects,
        differences=_spread(differences, how.limit), accounts=None if accounts is None else listed_accounts(accounts),
        reached=how.opening.reached,
    )  # fmt: skip
    return comparison, [*findings, *told_of_objects, *told_accounts(accounts or (), left.name, right.name)]


def _accounts(left: RowSide, right: RowSide, how: Comparing) -> list[UnlikeAccount] | None:
    """What differs of who may do what, between a backup of a whole server and a server; None where not compared."""
    if how.rows_only or how.tables or how.database or left.engine is None or right.engine is None:
        return None
    if left.engine.family is not right.engine.family:
        return None
    backup, live = left.accounts(), right.accounts()
    return None if backup is None or live is None else list(unlike_accounts(backup, live))


def _paired(left: RowSide, right: RowSide, how: Comparing) -> Pairing:
    """The tables that belong together. Raises NotFound for a control total of a column that has none."""
    pairing = pair_tables(left, right, how.choice)
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


def _objects(
    pairing: Pairing, left: RowSide, right: RowSide, how: Comparing
) -> tuple[tuple[ObjectDifference, ...] | None, list[Finding]]:
    """What differs besides rows; None where it is not asked for, or a side can't have it."""
    sides = None if how.rows_only else object_sides(left, right, every=not how.tables)
    if sides is None:
        several = len({pair.left.name.database for pair in pairing.pairs}) > 1
        return None, [_NOT_COMPARED] if several and not how.rows_only else []
    tables = {(table.name.schema or "", table.name.name) for pair in pairing.pairs for table in (pair.left, pair.right)}
    columns = {
        (pair.left.name.schema or "", pair.left.name.name, column)
        for pair in pairing.pairs
        for column in (*pair.left_extra, *pair.right_extra, *how.ignored)
    }
    scope = Scope(frozenset(tables) if how.tables else None, frozenset(columns))
    unlike_ones, notes = differing_objects(*sides, scope)
    return listed_objects(unlike_ones), [*told(unlike_ones, left.name, right.name), *notes]


_NOT_COMPARED = note(
    "objects-not-compared",
    "views, routines, rights and whatever else is no row were not compared: there are several databases",
    "compare them one by one, with --database NAME and the database's own address",
)


def _same(left_rows: int, right_rows: int) -> Numbers:
    return Numbers(left_rows=left_rows, right_rows=right_rows, only_left=0, only_right=0, changed=0)


def _compared(found: Matched, differences: Differences | None) -> ComparedTable:
    pair, (left_rows, right_rows) = found.pair, found.rows
    numbers = differences.numbers if differences else _same(left_rows, right_rows)
    drift = differences.drift if differences else 0
    return ComparedTable(
        database=pair.name.database,
        schema=pair.name.schema,
        name=pair.name.name,
        left_rows=left_rows,
        right_rows=right_rows,
        same=left_rows - numbers.only_left - numbers.changed - min(drift, left_rows),
        only_left=numbers.only_left,
        only_right=numbers.only_right,
        changed=numbers.changed,
        drift=None if found.drifted is None else drift,
        key=tuple(pair.columns[index] for index in pair.key),
        columns_changed=dict(differences.statistics.by_column) if differences else {},
        totals=tuple(
            paired(pair.columns[index], mine, theirs)
            for index, mine, theirs in zip(pair.summed, *found.totals, strict=True)
        ),
        explanations=tuple(differences.explanations()) if differences else (),
    )


def _structure(pairing: Pairing, left: RowSide, right: RowSide) -> Iterator[Finding]:
    """Tables and columns that only one side has."""
    for tables, here, there in ((pairing.only_left, left, right), (pairing.only_right, right, left)):
        for table in tables[:MOST_TOLD]:
            yield fault(
                "table-missing",
                f"{table.name.label} is in {here.name}, and not in {there.name}",
                "if that is meant, name the tables to compare with --table",
                _place(table),
            )
        if len(tables) > MOST_TOLD:
            yield fault(
                "table-missing",
                f"{len(tables) - MOST_TOLD:,} more tables are in {here.name}, and not in {there.name}",
                "inspect --contents lists the tables of each side",
            )
    for pair in pairing.pairs:
        for names, here, there in ((pair.left_extra, left, right), (pair.right_extra, right, left)):
            if len(names) > MOST_TOLD:
                yield fault(
                    "column-missing",
                    f"{pair.name.label}: {len(names):,} columns are in {here.name}, and not in {there.name}: "
                    f"{', '.join(names[:MOST_TOLD])}, ...",
                    "a side without definitions doesn't say how its columns are called; compare one that has them",
                    _place(pair.left),
                )
                continue
            for name in names:
                yield fault(
                    "column-missing",
                    f"{pair.name.label}: column {name} is in {here.name}, and not in {there.name}",
                    f"if that is meant, leave it out with --ignore {name}",
                    _place(pair.left),
                )


def _place(table: RowTable) -> Place:
    return Place(database=table.name.database, schema=table.name.schema, table=table.name.name)


_TOLD_ALL_THE_SAME = frozenset({"unlogged-empty", "zone-assumed"})
"""Notes on a side that say what was compared."""


def side_findings(side: RowSide, which: str) -> Iterator[Finding]:
    """What is wrong with a side itself, told apart from the differences."""
    for finding in side.findings:
        if finding.severity is not Severity.NOTE or finding.code in _TOLD_ALL_THE_SAME:
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
    told, told_mistake = table.drift is not None, False
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
            mistake = next((item for item in table.explanations if item.kind in _MISTAKES and item.share > 0.5), None)
            message = f"{label}: {rows}; that could be drift, changes made after the backup{because}"
            if mistake is not None and not told_mistake:
                told_mistake = True
                message = f"{label}: likely a mistake, not drift: {mistake.sentence} ({rows})"
                advice = f"to have the left rows: sospes mend {left} RIGHT --table {label} --out FILE"
            yield doubt(code, message, advice, place)
        else:
            yield fault(
                code, f"{label}: {rows}{because}", f"to have the left rows: sospes extract {left} {label}", place
            )
    if table.drift:
        yield note("drift", f"{label}: {table.drift:,} rows were written after the backup", "", place)


_MISTAKES = frozenset(
    {"table-gone", "column-set-everywhere", "key-range-missing", "time-range-missing", "range-missing"}
)
"""Causes that changes in the ordinary course of work do not make."""

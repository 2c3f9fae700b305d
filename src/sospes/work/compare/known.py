"""Compares what was recovered with what is known of it: a file of figures, or a seal."""

from __future__ import annotations

import time
from contextlib import ExitStack
from dataclasses import replace
from datetime import UTC, datetime
from pathlib import Path

from sospes.formats.opening import open_backup
from sospes.model.findings import Finding, Place, fault
from sospes.model.outcome import Outcome
from sospes.model.verdict import Severity
from sospes.sides.servers.address import Address
from sospes.work.compare.compare import Comparison, concluded, side_findings
from sospes.work.compare.drift import stated_time
from sospes.work.compare.figures import (
    CheckedFigure,
    Figure,
    check_figures,
    figures_of_seal,
    is_figures,
    read_figures,
    told_figures,
)
from sospes.work.compare.matching import Comparing, reading
from sospes.work.compare.sides.opening import open_side
from sospes.work.compare.sides.protocol import RowSide
from sospes.work.seal.form import ENDING, Seal
from sospes.work.seal.making import RowSums
from sospes.work.seal.using import opened_seal


def is_known(place: Path | Address) -> bool:
    """Whether a right side is a file of figures or a seal, by its name."""
    return isinstance(place, Path) and (is_figures(place) or place.suffix.lower() == ENDING)


def compare_known(
    left_place: Path | Address, right: Path, how: Comparing, key: bytes | None = None
) -> Outcome[Comparison]:
    """Hold LEFT against figures or a seal, whose signature is checked with the key."""
    begin = time.perf_counter()
    seal, wrong = (None, []) if is_figures(right) else opened_seal(right, key)
    if seal is None and wrong:
        nothing = Comparison(left=str(left_place), right=str(right), tables=(), differences=(), objects=None)
        told = [item if item.code == "seal-forged" else replace(item, severity=Severity.DOUBT) for item in wrong]
        return concluded(nothing, told, begin)  # a damaged seal says nothing of the backup
    figures = read_figures(right) if seal is None else figures_of_seal(seal)
    with ExitStack() as stack:
        left = open_side(left_place, reading(how, None), stack)
        checked = tuple(check_figures(_known(figures, how), left, _time_of(left, how)))
        findings = [*wrong, *side_findings(left, "left"), *told_figures(checked, left)]
        if seal is not None and left.backup is not None:
            findings += _row_digests(left, left.backup, seal, (checked, how))
    comparison = Comparison(left=left.name, right=str(right), tables=(), differences=(), objects=None, figures=checked)
    return concluded(comparison, findings, begin)


def _known(figures: list[Figure], how: Comparing) -> list[Figure]:
    """The figures of the tables that were asked for."""
    return [figure for figure in figures if not how.tables or figure.table in how.tables]


def _time_of(left: RowSide, how: Comparing) -> datetime | None:
    """When the left side was written: what was stated, what the backup says, now for a live one."""
    if how.written_at is not None:
        return how.written_at
    if left.live:
        return datetime.now(UTC)
    found = stated_time(left)
    return found.replace(tzinfo=UTC) if found is not None and found.tzinfo is None else found


def _row_digests(
    left: RowSide, backup: Path, seal: Seal, asked: tuple[tuple[CheckedFigure, ...], Comparing]
) -> list[Finding]:
    """Rows that changed though all figures hold; rows of another form are written otherwise, so they are not judged."""
    checked, how = asked
    if any(item.state == "differs" for item in checked) or left.engine is None:
        return []
    if left.engine.value != seal.header.get("engine"):
        return []
    opened = open_backup([backup], how.opening)
    sums = RowSums()
    for event in opened.events():
        sums.take(event, opened)
    found = []
    digests = {name: sums.of(name)[1] for name in sums.tables}
    for table in seal.tables:
        digest = digests.get(table.full_name)
        if digest not in {None, table.row_digest} and (not how.tables or table.label in how.tables):
            found.append(
                fault(
                    "rows-changed",
                    f"{table.label}: as many rows as sealed and the same totals, but not the same rows",
                    f"compare with the sealed backup itself, {seal.name}, to see which",
                    Place(database=table.database, schema=table.schema, table=table.name),
                )
            )
    return found

"""Brings what damage did into order: the cause before its consequences, and which rows are in doubt for it."""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from sospes.model.entries import Name
from sospes.model.findings import Finding, Place, fault
from sospes.model.verdict import Severity

BREAKS = frozenset(
    {"truncated", "container-damaged", "closing-line-missing", "opening-missing", "rows-lost", "text-lost"}
)
"""Codes of findings behind which parts of a backup may be missing."""

_ROW_FAULTS = frozenset(
    {"row-shape", "row-text", "encoding-broken", "row-unreadable", "value-unreadable", "more-row-faults"}
)


@dataclass(frozen=True, slots=True)
class Stretch:
    """Plain text that comes of a damaged member or block; of one table's rows alone where `table` is set."""

    begin: int
    end: int
    table: Name | None

    def covers(self, begin: int, end: int, table: Name | None) -> bool:
        """Whether the plain range, or a part of it, is in the stretch."""
        return (self.table is None or self.table == table) and begin < self.end and end > self.begin


def stretches(findings: Iterable[Finding]) -> list[Stretch]:
    """The text of damaged members and blocks."""
    return [
        Stretch(place.plain_from, place.plain_to, _table(place))
        for place in (finding.place for finding in findings if finding.code == "container-damaged")
        if place.plain_from is not None and place.plain_to is not None and place.plain_to > place.plain_from
    ]


def damaged_tables(findings: Iterable[Finding]) -> set[Name]:
    """The tables that faults are about."""
    tables = (_table(finding.place) for finding in findings if finding.severity is Severity.FAULT)
    return {table for table in tables if table is not None}


def condensed(findings: Sequence[Finding]) -> list[Finding]:
    """Damaged containers first; the garbled rows that they led to as one finding a table."""
    damaged = stretches(findings)
    if any(finding.code == "unpacks-too-far" for finding in findings):  # then the text had to end somewhere
        findings = [finding for finding in findings if finding.code not in {"truncated", "closing-line-missing"}]
    causes = [finding for finding in findings if finding.code == "container-damaged"]
    rest = [finding for finding in findings if finding.code != "container-damaged"]
    if not damaged:
        return causes + rest
    garbled: dict[Name, list[Finding]] = {}
    others = []
    for finding in rest:
        table = _table(finding.place)
        if table is not None and _is_consequence(finding, damaged, table):
            garbled.setdefault(table, []).append(finding)
        else:
            others.append(finding)
    return (
        causes + [_garbled(table, found) if len(found) > 1 else found[0] for table, found in garbled.items()] + others
    )


def _is_consequence(finding: Finding, damaged: Sequence[Stretch], table: Name) -> bool:
    place = finding.place
    if finding.severity is Severity.NOTE or finding.code not in _ROW_FAULTS:
        return False
    return place.plain_from is None or any(
        stretch.covers(place.plain_from, place.plain_from + 1, table) for stretch in damaged
    )


def _garbled(table: Name, findings: Sequence[Finding]) -> Finding:
    places = [finding.place for finding in findings]
    rows = [row for place in places for row in (place.row_from, place.row_to) if row is not None]
    more = any(finding.code == "more-row-faults" for finding in findings)
    first = min(places, key=lambda place: math.inf if place.plain_from is None else place.plain_from)
    last = max(places, key=lambda place: place.plain_to or place.plain_from or 0)
    where = f"rows {min(rows):,} to {max(rows):,}" + (" and further ones" if more else "") if rows else "its rows"
    return fault(
        "rows-garbled",
        f"{table.label}: {where} hold many garbled ones, as the compressed data are damaged there",
        "rows between them may be wrong as well, though their shape is right; take the table from another copy",
        Place(
            file=first.file, stored_from=first.stored_from, stored_to=last.stored_to, plain_from=first.plain_from,
            plain_to=last.plain_to, line=first.line, database=table.database, schema=table.schema, table=table.name,
            row_from=min(rows, default=None), row_to=max(rows, default=None),
        ),
    )  # fmt: skip


def _table(place: Place) -> Name | None:
    return None if place.table is None else Name(place.database, place.schema, place.table)

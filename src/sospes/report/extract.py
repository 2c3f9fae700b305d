"""How an extraction is told."""

from __future__ import annotations

from collections.abc import Sequence
from pathlib import Path

from sospes.model.outcome import Outcome
from sospes.model.verdict import Severity
from sospes.report.printer import Printer
from sospes.report.words import count_severities, duration, plural, size
from sospes.work.extract.extract import Extraction
from sospes.work.extract.salvage import Missing

MOST_MISSING = 20


def tell_extract(printer: Printer, outcome: Outcome[Extraction], listed: Path | None = None) -> None:
    """The verdict, what is wrong, then each table with its rows and size; `listed` is the list of what is missing."""
    found = outcome.result
    printer.verdict(outcome.verdict, outcome.name, _summary(outcome))
    printer.findings(outcome.findings)
    if printer.quiet or not found.tables:
        return
    rows = []
    for table in found.tables:
        parts = [part for part in (table.database, table.schema, table.name) if part]
        rows.append([".".join(parts), f"{table.rows:,}", "" if table.bytes is None else size(table.bytes)])
    printer.table(["table", "rows", "size"], rows, (1, 2))
    beside = f", beside {size(found.backup_bytes)} of backup" if found.backup_bytes else ""
    where = f" in {found.out}" if found.out else ""
    printer.line(f"  {size(found.bytes)} of {found.form}{where}{beside}, in {duration(outcome.seconds)}")

    tell_missing(printer, found.missing, listed)


def tell_missing(printer: Printer, missing: Sequence[Missing] | None, listed: Path | None) -> None:
    """What could not be used of a damaged backup, not too much of it."""
    if missing is None:
        return
    if not missing:
        printer.line("  nothing is missing of what was asked for")
        return
    printer.line(
        f"  missing or uncertain: {plural(len(missing), 'stretch')}" + (f", listed in {listed}" if listed else "")
    )
    rows = []
    for item in missing[:MOST_MISSING]:
        table = ".".join(part for part in (item.database, item.schema, item.table) if part)
        first = "" if item.row_from is None else f"{item.row_from:,}"
        last = "" if item.row_to is None else f"{item.row_to:,}"
        keys = f"{_key(item.key_before)} .. {_key(item.key_after)}" if item.key_before or item.key_after else ""
        rows.append([table, first, last, keys, item.reason])
    printer.table(["table", "from row", "to row", "between keys", "why"], rows, (1, 2))


def _key(key: tuple[str | None, ...] | None) -> str:
    return "?" if key is None else ", ".join("NULL" if part is None else part for part in key)


def _summary(outcome: Outcome[Extraction]) -> str:
    found = outcome.result
    if not found.tables:
        refused = any(finding.severity is Severity.FAULT for finding in outcome.findings)
        return "nothing was written: the table is damaged" if refused else "nothing was written"
    rows = sum(table.rows for table in found.tables)
    text = f"{plural(len(found.tables), 'table')}, {plural(rows, 'row')} extracted"
    worse = [finding for finding in outcome.findings if finding.severity is not Severity.NOTE]
    return f"{text}; {count_severities(tuple(worse))}" if worse else text

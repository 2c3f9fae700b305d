"""How an extraction is told."""

from __future__ import annotations

from collections.abc import Sequence
from pathlib import Path

from sospes.model.entries import joined
from sospes.model.outcome import Outcome
from sospes.model.verdict import Severity
from sospes.report.printer import Printer
from sospes.report.words import count_severities, duration, plural, reached, size
from sospes.work.extract.extract import Extraction
from sospes.work.extract.salvage import Missing
from sospes.work.putback.putback import PutBack

MOST_MISSING = 20


def tell_extract(printer: Printer, outcome: Outcome[Extraction], listed: Path | None = None) -> None:
    """The verdict, what is wrong, then each table with its rows and size; `listed` is the list of what is missing."""
    found = outcome.result
    printer.verdict(outcome.verdict, outcome.name, _summary(outcome))
    printer.findings(outcome.findings)
    if printer.quiet or not found.tables:
        return
    if found.reached is not None:
        printer.line(f"  {reached(found.reached)}")
    rows = [
        [
            joined(table.database, table.schema, table.name),
            f"{table.rows:,}",
            "" if table.bytes is None else size(table.bytes),
        ]
        for table in found.tables
    ]
    printer.table(["table", "rows", "size"], rows, (1, 2))
    beside = f", beside {size(found.backup_bytes)} of backup" if found.backup_bytes else ""
    where = f" in {found.out}" if found.out else ""
    printer.line(f"  {size(found.bytes)} of {found.form}{where}{beside}, in {duration(outcome.seconds)}")

    tell_missing(printer, found.missing, listed)


def tell_put_back(printer: Printer, outcome: Outcome[PutBack], listed: Path | None = None) -> None:
    """What came back into a live database: the verdict, what is wrong, then each table with its counts."""
    found = outcome.result
    word = "" if found.applied or not found.tables else "written"
    printer.verdict(outcome.verdict, outcome.name, _put_back_summary(outcome), word)
    printer.findings(outcome.findings)
    if printer.quiet or not found.tables:
        return
    if found.reached is not None:
        printer.line(f"  {reached(found.reached)}")
    if found.counts:
        rows = [
            [
                joined(table.schema, table.name),
                "not there" if table.before is None else f"{table.before:,}",
                "not there" if table.after is None else f"{table.after:,}",
                "" if table.expected is None else f"{table.expected:,}",
            ]
            for table in found.counts
        ]
        printer.table(["table", "rows before", "rows now", "in the backup"], rows, (1, 2, 3))
    kinds: dict[str, int] = {}
    for item in found.made:
        kinds[item.kind] = kinds.get(item.kind, 0) + 1
    made = ", ".join(plural(count, kind) for kind, count in sorted(kinds.items()))
    printer.line(f"  {'brought back' if found.applied else 'would bring back'}: {made}")
    if found.script:
        printer.line(f"  next: read {found.script}, then feed it to the server's client; or run this without --dry-run")
    if found.applied:
        printer.line(f"  in {found.out}, in {duration(outcome.seconds)}; to see every value: sospes compare")
    tell_missing(printer, found.missing, listed)


def _put_back_summary(outcome: Outcome[PutBack]) -> str:
    found = outcome.result
    if not found.tables:
        return "nothing was changed: the table is damaged"
    rows = sum(table.rows for table in found.tables)
    said = f"{plural(len(found.tables), 'table')}, {plural(rows, 'row')}"
    return f"{said} brought back" if found.applied else f"{said} to be brought back"


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
        table = joined(item.database, item.schema, item.table)
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

"""How a rehearsal is told."""

from __future__ import annotations

from pathlib import Path

from sospes.engines.registry import has_server
from sospes.model.outcome import Outcome
from sospes.model.verdict import Rung, Verdict
from sospes.report.describe import tell_counts, tell_tables
from sospes.report.extract import tell_missing
from sospes.report.printer import Printer
from sospes.report.words import count_severities, duration, plural, reached, size
from sospes.work.restore.embedded import Rehearsal

MOST_NOT_REHEARSED = 30
_CLAIMS = {
    Rung.LOADED: "every row was loaded and its keys held, in an embedded side copy",
    Rung.CONSISTENT: "restored on its own engine, no statement failed, and the engine's checks passed",
}
_STATUS = {"sound": "done", "unproven": "left a doubt", "unsound": "found faults"}


def tell_rehearse(printer: Printer, outcome: Outcome[Rehearsal], listed: Path | None = None) -> None:
    """The verdict, what is wrong, the steps with their times, the tables, and what was not tried."""
    found = outcome.result
    printer.verdict(outcome.verdict, outcome.name, _summary(outcome))
    printer.findings(outcome.findings)
    if not printer.quiet:
        if found.steps:
            rows = [[step.name, _STATUS[step.status], duration(step.seconds)] for step in found.steps]
            printer.table(["step", "status", "time"], rows, (2,))
            printer.line()
        if found.tables:
            tell_tables(printer, found.tables)
        if found.objects:
            tell_counts(printer, "also restored, and found there", found.objects)
        _not_rehearsed(printer, found)
        tell_missing(printer, found.missing, listed)
    if not printer.quiet and found.reached is not None:
        printer.line(f"  {reached(found.reached)}")
    if found.side is not None and found.side.confined:
        printer.line(f"  out of the server's reach: other {', '.join(found.side.confined)}", style="dim")
    if found.side is not None and found.side.kept:
        printer.line(f"  the side copy is kept: {found.side.location}")
        for change in found.changed:
            printer.line(f"    changed: {change}")
    if outcome.verdict is Verdict.UNPROVEN and found.side is not None:
        printer.next(_to_be_sure(outcome))
    claim = _CLAIMS.get(outcome.rung, "") if outcome.rung else ""
    printer.rung(outcome.rung, claim)


def _to_be_sure(outcome: Outcome[Rehearsal]) -> str:
    """The one step that decides what this rehearsal could not."""
    side = outcome.result.side
    if side is not None and side.kind == "embedded" and has_server(outcome.result.engine):
        return f"restore it on its own engine: sospes rehearse {outcome.name} --side private"
    return "clear up the doubts above one by one, then rehearse it again; compare its rows with live or known figures"


def _summary(outcome: Outcome[Rehearsal]) -> str:
    found = outcome.result
    rows = sum(table.rows or 0 for table in found.tables)
    held = f"{plural(len(found.tables), 'table')}, {plural(rows, 'row')}"
    if outcome.verdict is not Verdict.SOUND:
        return f"{count_severities(outcome.findings)}; {held} loaded"
    space = f", {size(found.space_expected_bytes)} were set aside" if found.space_expected_bytes else ""
    if found.side is not None and found.side.kind != "embedded":
        return f"{held} restored on {found.side.engine} {found.side.engine_version}, in {duration(outcome.seconds)}"
    return f"{held} loaded, all keys held, in {duration(outcome.seconds)}{space}"


def _not_rehearsed(printer: Printer, found: Rehearsal) -> None:
    listed = found.not_rehearsed
    if not listed:
        return
    printer.line()
    printer.line(f"  not rehearsed: {plural(len(listed), 'thing')} that this side copy can't try")
    rows = [[item.kind, item.name, item.reason] for item in listed[:MOST_NOT_REHEARSED]]
    printer.table(["kind", "name", "why"], rows)
    if len(listed) > MOST_NOT_REHEARSED:
        printer.line(f"  ... and {len(listed) - MOST_NOT_REHEARSED:,} more; all are in --json")

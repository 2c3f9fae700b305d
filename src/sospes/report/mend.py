"""How a mend is told."""

from __future__ import annotations

from sospes.model.entries import joined
from sospes.model.outcome import Outcome
from sospes.report.printer import Printer
from sospes.report.words import duration, plural, reached
from sospes.work.mend.rows import Mend
from sospes.work.objects.differences import ObjectDifference


def tell_mend(printer: Printer, outcome: Outcome[Mend]) -> None:
    """What the script does, by table, and what to do with it."""
    found = outcome.result
    rows = sum(table.inserts + table.updates for table in found.tables)
    said = f"{plural(rows, 'row')} brought back" if found.applied else f"{plural(rows, 'row')} to be brought back"
    printer.verdict(
        outcome.verdict, found.left, f"for  {found.right}  {said}", "applied" if found.applied else "written"
    )
    printer.findings(outcome.findings)
    if printer.quiet:
        return
    if found.reached is not None:
        printer.line(f"  of the left side {reached(found.reached)}")
    listed = [
        [
            joined(table.schema or table.database, table.name),
            f"{table.inserts:,}", f"{table.updates:,}", f"{table.extra:,}",
        ]
        for table in found.tables
    ]  # fmt: skip
    if listed:
        printer.table(["table", "inserted", "set back", "only on the right"], listed, (1, 2, 3))
    if found.objects:
        printer.line(f"  {plural(len(found.objects), 'object')} made anew:")
        printer.table(["kind", "name", "on"], [_object(item) for item in found.objects])
    if found.undo:
        printer.line(f"  the way back: {found.undo}")
    if not found.applied:
        printer.line(f"  next: read {found.out}, then feed it to the server's client; it ends at the first surprise")
    printer.line(f"  compared in {duration(outcome.seconds)}")


def _object(item: ObjectDifference) -> list[str]:
    """Kind, name and table of an object, with its schema before the one of them that it stands in."""
    schema = f"{item.schema}." if item.schema else ""
    if item.about is None:
        return [item.kind, schema + item.name, ""]
    return [item.kind, item.name, schema + item.about]

"""How it is told what happened."""

from __future__ import annotations

from sospes.model.outcome import Outcome
from sospes.model.retracing import Operation, Retraced, Total
from sospes.model.verdict import Verdict
from sospes.report.printer import Printer
from sospes.report.words import count_severities, plural, shown, size

MOST_TOTALS, FEW = 20, 5


def tell_retrace(printer: Printer, outcome: Outcome[Retraced], *, narrow: bool) -> None:
    """The verdict and how much matched, the last good moment, operations, sums by table, then what was read."""
    found = outcome.result
    printer.verdict(outcome.verdict, outcome.name, _summary(outcome), "retraced" if not outcome.verdict else "")
    if found.last_good is not None:
        printer.line(f"  last good moment, before the first of them: --before {found.last_good.before}", style="bold")
    elif narrow:
        printer.next("nothing of that kind is in this log: look at other kinds, tables, or times")
    printer.findings(outcome.findings)
    if not printer.quiet:
        told = _Told(found)
        told.operations(printer)
        told.totals(printer)
        printer.line()
        printer.facts(_facts(found))
    if not narrow and found.operations:
        printer.next("look for one: add --table, --kind, --from, --to; the last good moment before it is told then")
    printer.rung(outcome.rung, "checksums of all records were held")


def _summary(outcome: Outcome[Retraced]) -> str:
    found = outcome.result
    told = f"{plural(found.matched, 'operation')} matched, of {plural(found.commits, 'committed transaction')}"
    return told if outcome.verdict is Verdict.SOUND else f"{count_severities(outcome.findings)}; {told}"


class _Told:
    """Operations as lines; the database is left out where there is only one."""

    def __init__(self, found: Retraced) -> None:
        self._found = found
        self._single = len({total.database for total in found.totals if total.table is not None}) == 1

    def operations(self, printer: Printer) -> None:
        """The first ones that matched."""
        found = self._found
        if not found.operations:
            return
        titles = ["committed at", "what", "table", "rows", "transaction", "position"]
        printer.table(titles, map(self._row, found.operations), (3, 4))
        for operation in found.operations:
            if operation.keys:
                keys = "; ".join(", ".join(f"{name}={value}" for name, value in key.items()) for key in operation.keys)
                rest = " and so on" if (operation.rows or 0) > len(operation.keys) else ""
                printer.line(f"  keys of transaction {operation.transaction}, {operation.kind}: {shown(keys)}{rest}")
        if found.matched > len(found.operations):
            printer.line(f"  and {found.matched - len(found.operations):,} more: --limit N shows more", style="dim")

    def _row(self, operation: Operation) -> list[str]:
        return [
            operation.at or "",
            operation.kind.value,
            self._of(operation),
            "" if operation.rows is None else f"{operation.rows:,}",
            operation.transaction or "",
            operation.position or "",
        ]

    def _of(self, one: Operation | Total) -> str:
        """What it was done to, in one line."""
        if isinstance(one, Operation) and one.name is not None:
            return one.name
        database = None if self._single and one.table is not None else one.database
        name = ".".join(part for part in (database, one.schema, one.table) if part)
        if one.table_file is not None:
            return f"{name}: file {one.table_file}" if name else f"file {one.table_file}"
        return name if one.table is not None else f"database {name}" if name else ""

    def totals(self, printer: Printer) -> None:
        """Sums by table and kind, where the lines above are not all, or many."""
        found = self._found
        if found.matched <= FEW:
            return
        printer.line()
        shown = sorted(found.totals, key=lambda total: -(total.rows or 0))[:MOST_TOTALS]
        printer.table(
            ["in all", "table", "operations", "rows", "first", "last"],
            [
                [
                    total.kind, self._of(total), f"{total.operations:,}",
                    "" if total.rows is None else f"{total.rows:,}", total.first_at or "", total.last_at or "",
                ]
                for total in shown
            ],
            (2, 3),
        )  # fmt: skip
        if len(found.totals) > len(shown):
            printer.line(f"  and {len(found.totals) - len(shown):,} more in --json", style="dim")


def _facts(found: Retraced) -> list[tuple[str, str]]:
    facts = [
        (
            "log",
            f"{found.log_from} to {found.log_to or 'unknown'}, {size(found.bytes_read)}, {found.records:,} records",
        ),
        ("commits", f"{found.commits:,} from {found.first_at} to {found.last_at}" if found.commits else "none"),
    ]
    if found.aborts:
        facts.append(("taken back", plural(found.aborts, "transaction")))
    if found.open_at_end:
        facts.append(("not ended", f"{plural(found.open_at_end, 'transaction')} when the log ends"))
    if found.internal:
        facts.append(("of the engine's own", plural(found.internal, "row")))
    databases = sorted({total.database for total in found.totals if total.database})
    if len(databases) == 1:
        facts.append(("database", databases[0]))
    facts.append(("names from", found.names_from or "the log itself"))
    return facts

"""How a comparison is told."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import count

from sospes.model.entries import Name
from sospes.model.outcome import Outcome
from sospes.model.verdict import Verdict
from sospes.report.printer import Printer
from sospes.report.words import duration, plural, reached, shown
from sospes.work.compare.compare import ComparedTable, Comparison, column_labels
from sospes.work.compare.differences import Difference

LONGEST_VALUE = 60


def tell_compare(printer: Printer, outcome: Outcome[Comparison], hide: bool, wanted: Sequence[str] = ()) -> None:
    """The verdict, what is wrong and why, the counts by table, and the first differing rows.

    `wanted` are columns, as TABLE.COLUMN, whose control totals are shown in any case.
    """
    found = outcome.result
    printer.verdict(outcome.verdict, f"{found.left}  against  {found.right}", _summary(outcome))
    printer.findings(outcome.findings)
    if not printer.quiet:
        if found.reached is not None:
            printer.line(f"  of the left side {reached(found.reached)}")
        if found.figures is not None:
            rows = [[item.figure, item.expected, item.found or "", item.state] for item in found.figures]
            printer.table(["figure", "expected", "found", "state"], rows)
        else:
            _counts(printer, found)
        numbers = count(1)
        for table in found.tables:
            _table_detail(printer, table, numbers)
        _wanted_totals(printer, found, wanted)
        _differing(printer, found, hide)
    if outcome.verdict is Verdict.UNPROVEN and any(finding.code.startswith("rows-") for finding in outcome.findings):
        printer.next(f"ask who changed these rows; to have the left ones: sospes mend {found.left} RIGHT --out FILE")
    printer.rung(outcome.rung, _claim(outcome))


def _claim(outcome: Outcome[Comparison]) -> str:
    """What the rung claims, in words."""
    if outcome.verdict is Verdict.SOUND:
        what = "the rows match" if outcome.result.figures is None else "all figures hold"
        return f"{what}; matched counts as the rung once verify and rehearse have proven those below it"
    return f"compared in {duration(outcome.seconds)}"


def _summary(outcome: Outcome[Comparison]) -> str:
    """The first line behind the verdict."""
    found = outcome.result
    if found.figures is not None:
        holding = sum(item.state == "holds" for item in found.figures)
        return f"{holding} of {plural(len(found.figures), 'figure')} hold"
    rows = sum(table.same for table in found.tables)
    unlike = sum(table.only_left + table.only_right + table.changed for table in found.tables)
    text = f"{plural(len(found.tables), 'table')} compared, {plural(rows, 'row')} the same"
    text += f", {unlike:,} not" if unlike else ""
    if found.objects is None:
        return text
    return f"{text}; {plural(len(found.objects), 'object')} unlike" if found.objects else f"{text}, and all objects"


def _counts(printer: Printer, found: Comparison) -> None:
    """A line for each table."""
    rows = []
    for table in found.tables:
        counts = (
            table.left_rows,
            table.right_rows,
            table.same,
            table.only_left,
            table.only_right,
            table.changed,
        )
        key = ", ".join(table.key) or "the whole row"
        rows.append([table.label, *(f"{count:,}" for count in counts), key])
    columns = ["table", "left", "right", "same", "only left", "only right", "changed", "compared by"]
    printer.table(columns, rows, (1, 2, 3, 4, 5, 6))


def _table_detail(printer: Printer, table: ComparedTable, numbers: Iterator[int]) -> None:
    """Causes, changed columns and control totals, of tables that differ; causes are numbered through all tables."""
    if not table.only_left + table.only_right + table.changed:
        return
    printer.line()
    printer.line(f"  {shown(table.label)}", style="bold")
    for cause in table.explanations:
        printer.line(f"    cause {next(numbers)}: {shown(cause.sentence)} ({cause.share:.0%} of the differing rows)")
    if not table.explanations:
        printer.line("    cause: none of the known ones accounts for these rows")
    if table.columns_changed:
        listed = ", ".join(f"{shown(name)} in {count:,} rows" for name, count in table.columns_changed.items())
        printer.line(f"    changed columns: {listed}")
    totals = [
        total for total in table.totals if not total.same and total.column not in table.key
    ]  # nobody adds up keys
    if totals:
        printer.table(
            ["control total", "left", "right"],
            [[f"sum of {total.column}", total.left_sum, total.right_sum] for total in totals],
            (1, 2),
        )


def _wanted_totals(printer: Printer, found: Comparison, wanted: Sequence[str]) -> None:
    """The control totals that were asked for, or that differ."""
    rows = []
    for table in found.tables:
        name = Name(table.database, table.schema, table.name)
        for total in table.totals:
            if not column_labels(name, total.column).isdisjoint(wanted):
                agrees = "agree" if total.same else "differ"
                rows.append([f"{table.label}.{total.column}", total.left_sum, total.right_sum, agrees])
    if rows:
        printer.line()
        printer.table(["control total: sum of", "left", "right", ""], rows, (1, 2))


def _differing(printer: Printer, found: Comparison, hide: bool) -> None:
    """The causes of the differences, and the first rows that differ."""
    if not found.differences:
        return
    unlike = sum(table.only_left + table.only_right + table.changed for table in found.tables)
    printer.line()
    hidden = ", values hidden" if hide else ""
    printer.line(f"  the first {len(found.differences):,} of {plural(unlike, 'differing row')}{hidden}:")
    rows = [[item.table, item.key or "", item.kind, _cells(item, hide)] for item in found.differences]
    printer.table(["table", "key", "which", "columns: left | right"], rows)


def _cells(item: Difference, hide: bool) -> str:
    """The values of a row that differ, left and right."""
    if hide:
        return ", ".join(cell.name for cell in item.columns)
    if item.kind == "changed":
        return ", ".join(f"{cell.name}: {_value(cell.left)} | {_value(cell.right)}" for cell in item.columns)
    return ", ".join(
        f"{cell.name}={_value(cell.left if item.kind == 'only-left' else cell.right)}" for cell in item.columns
    )


def _value(value: str | None) -> str:
    """A value as it is shown."""
    if value is None:
        return "NULL"
    text = value if len(value) <= LONGEST_VALUE else value[:LONGEST_VALUE] + "..."
    return f"'{text}'" if not text or " " in text or "," in text else text

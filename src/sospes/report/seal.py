"""How a seal is told."""

from __future__ import annotations

from sospes.model.outcome import Outcome
from sospes.report.printer import Printer
from sospes.report.words import count_severities, duration, plural, size
from sospes.work.seal.making import SealResult


def tell_seal(printer: Printer, outcome: Outcome[SealResult]) -> None:
    """The verdict, what is wrong, and what the seal holds."""
    found = outcome.result
    rows = sum(table.rows for table in found.tables)
    held = f"{plural(len(found.tables), 'table')}, {plural(rows, 'row')} sealed"
    summary = held if found.seal else f"not sealed: {count_severities(outcome.findings)}"
    printer.verdict(outcome.verdict, outcome.name, summary)
    printer.findings(outcome.findings)
    if printer.quiet or found.seal is None:
        return
    where = (
        f"{plural(found.restart_points, 'restart point')}: single tables can be reached without the rest"
        if found.restart_points
        else f"no restart points: {found.restart_reason}"
        if found.restart_reason
        else "plain text: reading can begin anywhere"
    )
    printer.facts(
        [
            ("seal", f"{found.seal}, {size(found.seal_bytes)}"),
            ("digests", f"{plural(found.blocks, 'block')} of 1 MiB, {found.digest}"),
            ("signed", "yes, with a key" if found.signed else "no: a key makes it proof against deliberate changes"),
            ("restart", where),
        ]
    )
    printer.line(f"  made in {duration(outcome.seconds)}; sospes verify --quick {outcome.name} checks it")

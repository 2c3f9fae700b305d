"""How a tidying is told."""

from __future__ import annotations

from sospes.report.printer import Printer
from sospes.report.words import plural, size
from sospes.work.outcome import Outcome
from sospes.work.tidy import Left, Tidying


def tell_tidy(printer: Printer, outcome: Outcome[Tidying]) -> None:
    """What was found, and what became of it."""
    found = outcome.result
    if not found.left:
        printer.line(f"nothing was left behind in {', '.join(found.places)}")
        return
    dropped = sum(item.dropped for item in found.left)
    said = (
        f"{plural(dropped, 'private server')} removed" if dropped else "sospes tidy --drop removes what is not in use"
    )
    printer.line(f"{plural(len(found.left), 'private server')} left behind; {said}")
    rows = [[item.folder, item.engine, size(item.bytes), _state(item)] for item in found.left]
    printer.table(["folder", "engine", "size", "state"], rows, (2,))


def _state(item: Left) -> str:
    if item.dropped:
        return "removed"
    if item.in_use:
        return "in use by a run that goes on"
    return "running, and nobody uses it" if item.running else "stopped"

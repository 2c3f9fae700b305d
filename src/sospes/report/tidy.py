"""How a tidying is told."""

from __future__ import annotations

from sospes.model.outcome import Outcome
from sospes.report.printer import Printer
from sospes.report.words import plural, size
from sospes.work.tidy import Left, Tidying


def tell_tidy(printer: Printer, outcome: Outcome[Tidying]) -> None:
    """What was found, and what became of it."""
    found = outcome.result
    printer.findings(outcome.findings)
    if not found.left:
        printer.line(f"nothing was left behind in {', '.join(found.places)}")
        return
    dropped = sum(item.dropped for item in found.left)
    said = f"{plural(dropped, 'thing')} removed" if dropped else "with --drop, what is not in use is removed"
    printer.line(f"{plural(len(found.left), 'thing')} left behind; {said}")
    rows = [
        [item.location, item.kind, item.engine or "", "" if item.bytes is None else size(item.bytes), _state(item)]
        for item in found.left
    ]
    printer.table(["where", "kind", "engine", "size", "state"], rows, (3,))


def _state(item: Left) -> str:
    if item.dropped:
        return "removed"
    unfinished = item.kind in {"temporary folder", "partial file"}
    if item.in_use:
        return "in use, or another machine's" if unfinished else "in use"
    if unfinished:
        return "its run has ended" if item.signed else "another user's: left alone"
    if item.kind == "handed over":
        return f"what was live before {item.backup} was handed over; sospes handover --back puts it back"
    if item.kind == "unfinished handover":
        return f"{item.backup} was begun: sospes handover once more goes on, sospes handover --back takes it back"
    if not item.signed:
        return "its name or mark is like ours, but this user's Sospes didn't make it: left alone"
    if item.kind == "table":
        return "on its way into a live database when its run ended; nothing reads it"
    if item.kind == "account":
        return "its databases are gone"
    if item.kind in {"database", "role"} and not item.made_at:
        return "nobody uses it; its mark was taken away, and its account says that it is ours"
    if item.kind in {"database", "role"}:
        return f"nobody uses it; made {item.made_at} from {item.backup}"
    return "running, and nobody uses it" if item.running else "stopped"

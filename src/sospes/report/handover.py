"""How a handover is told."""

from __future__ import annotations

from sospes.model.entries import joined
from sospes.model.outcome import Outcome
from sospes.report.printer import Printer
from sospes.report.words import duration, plural, size
from sospes.work.handover.handover import HandedOver


def tell_handover(printer: Printer, outcome: Outcome[HandedOver]) -> None:
    """What was done or stands in the way, then what there is on both sides."""
    found = outcome.result
    word = "" if not found.done else "handed over" if found.way_back else "handed back"
    printer.verdict(outcome.verdict, f"{found.from_}  for  {found.to}", _summary(found), word)
    printer.findings(outcome.findings)
    if printer.quiet:
        return
    facts = [
        ("made from", f"{found.backup}, {found.made_at}" if found.backup else ""),
        ("checked", _checked(found)),
        ("size", f"{_size(found.side_bytes)} (copy), {_size(found.live_bytes)} (live)" if found.side_bytes else ""),
    ]
    if any(value for _, value in facts):
        printer.facts([(name, value) for name, value in facts if value])
    if found.sessions:
        rows = [
            [one.database, str(one.count), one.user, one.program, one.where, one.since or ""] for one in found.sessions
        ]
        printer.table(["open sessions", "", "user", "program", "from", "since"], rows, (1,))
    if found.newer:
        lost = [[joined(one.schema, one.name), f"{one.only_live:,}", f"{one.changed:,}"] for one in found.newer]
        printer.table(["rows of live that would be out of sight", "only in live", "otherwise"], lost, (1, 2))
    for step in found.steps:
        printer.line(f"  done: {step}")
    if found.sessions_ended:
        printer.line(f"  {plural(found.sessions_ended, 'session')} ended")
    if found.way_back:
        printer.line(f"  the way back: {found.way_back}")
    printer.line(f"  in {duration(outcome.seconds)}", style="dim")


def _checked(found: HandedOver) -> str:
    if found.consistent is None:
        return ""
    return "just now, by the server: consistent" if found.consistent else "just now: not consistent"


def _size(count: int | None) -> str:
    return "of unknown size" if count is None else size(count)


def _summary(found: HandedOver) -> str:
    if not found.done:
        return "nothing was changed"
    return f"what was live is kept as {found.kept_as}" if found.way_back else "what was live before is live again"

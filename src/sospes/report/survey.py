"""How a survey is told."""

from __future__ import annotations

from datetime import datetime
from pathlib import Path

from sospes.formats.registry import words_of
from sospes.model.outcome import Outcome
from sospes.model.verdict import Verdict
from sospes.report.printer import Printer
from sospes.report.words import ago, count_severities, plural, size
from sospes.work.survey.lineages import Lineage
from sospes.work.survey.survey import Survey

MOST_FILES = 15


def tell_survey(printer: Printer, outcome: Outcome[Survey], now: datetime) -> None:
    """The verdict, what needs a hand, the lineages, and the files that nobody can identify."""
    found = outcome.result
    printer.verdict(outcome.verdict, outcome.name, _summary(outcome), "surveyed" if not outcome.verdict else "")
    printer.findings(outcome.findings)
    if not printer.quiet:
        if found.lineages:
            printer.table(_TITLES, [_row(lineage, now) for lineage in found.lineages], (1, 4))
            _spread(printer, found)
        _strangers(printer, found)
        if copies := sum(backup.same_as is not None for backup in found.backups):
            printer.line(f"  among them {plural(copies, 'further copy')} of others, by size and bytes", style="dim")
    if outcome.verdict is Verdict.SOUND and found.lineages:
        printer.next(f"prove the newest ones: sospes {_first(found)}")
    printer.rung(outcome.rung, "only heads were read; verify and rehearse prove more")


def _first(found: Survey) -> str:
    """The command that proves the newest backup of the first lineage that has one."""
    newest = next((lineage.newest for lineage in found.lineages if lineage.newest), None)
    form = next((backup.format for backup in found.backups if backup.path == newest), None)
    return f"{words_of(form or '').proven_by} {newest or 'BACKUP'}"


_TITLES = ("database or server", "backups", "newest", "back to", "size", "proven", "needs")


def _row(lineage: Lineage, now: datetime) -> list[str]:
    needs = [finding.code for finding in lineage.findings if finding.severity.verdict]
    return [
        lineage.id,
        f"{lineage.backups:,}",
        _age(lineage.newest_at, now, sure=lineage.newest_stated),
        _age(lineage.window.from_, now, sure=True),
        size(lineage.size_bytes),
        lineage.newest_proven or ("can't be checked yet" if lineage.unchecked else "no"),
        ", ".join(dict.fromkeys(needs)) or "",
    ]


def _age(moment: str | None, now: datetime, *, sure: bool) -> str:
    """How long ago; marked where only a file's time says so."""
    if moment is None:
        return "none"
    return ago(now - datetime.fromisoformat(moment)) + ("" if sure else ", by the file's time")


def _summary(outcome: Outcome[Survey]) -> str:
    found = outcome.result
    backups = sum(backup.lineage is not None for backup in found.backups)
    held = f"{plural(backups, 'backup')} of {plural(len(found.lineages), 'lineage')}, {size(found.size_bytes)}"
    return held if outcome.verdict is Verdict.SOUND else f"{count_severities(outcome.findings)}; {held}"


def _spread(printer: Printer, found: Survey) -> None:
    """How many of the wanted periods have a backup, lineage by lineage."""
    kinds = [kind for kind in ("days", "weeks", "months", "years") if found.lineages[0].spread[kind].wanted]
    if not kinds:
        return
    rows = [
        [lineage.id, *(f"{lineage.spread[kind].there} of {lineage.spread[kind].wanted}" for kind in kinds)]
        for lineage in found.lineages
    ]
    printer.line()
    printer.table(["spread: backups of the last", *kinds], rows, range(1, len(kinds) + 1))


def _strangers(printer: Printer, found: Survey) -> None:
    """Files that nobody can identify, and why."""
    strangers = [backup for backup in found.backups if backup.lineage is None]
    if not strangers:
        return
    printer.line()
    rows = [[str(Path(item.path)), size(item.size_bytes), item.reason or ""] for item in strangers[:MOST_FILES]]
    printer.table(["of no known form", "size", "why"], rows, (1,))
    if len(strangers) > MOST_FILES:
        printer.line(f"  ... and {len(strangers) - MOST_FILES:,} more; all are in --json")

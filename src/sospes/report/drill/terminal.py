"""A drill, told in a terminal."""

from __future__ import annotations

import shlex
from collections.abc import Sequence

from sospes.model.findings import Finding
from sospes.model.outcome import Outcome
from sospes.model.verdict import Severity, Verdict
from sospes.report.drill.summing import age, sentence
from sospes.report.printer import Printer
from sospes.report.words import duration, size
from sospes.work.drill.drill import Drilled
from sospes.work.drill.proving import TargetResult

MOST_TARGETS = 60


def tell_drill(printer: Printer, outcome: Outcome[Drilled]) -> None:
    """The verdict, what nobody should miss, every target in a line, then what is wrong with each."""
    found = outcome.result
    if found.dry:
        _tell_dry(printer, outcome)
        return
    printer.verdict(outcome.verdict, found.drill, f"{sentence(outcome)}, in {duration(outcome.seconds)}")
    if found.look_at:
        printer.line("  look at this:", style="bold")
        for name, message in found.look_at:
            printer.line(f"    {name}: {message}")
    if not printer.quiet:
        rows = [_row(target, found) for target in found.targets[:MOST_TARGETS]]
        printer.table(("target", "verdict", "rung", "backup", "rows", "took", "why"), rows, (4, 5))
        if len(found.targets) > MOST_TARGETS:
            printer.line(f"  ... and {len(found.targets) - MOST_TARGETS:,} more; all are in the reports and in --json")
    _what_is_wrong(printer, found.targets)
    printer.findings(found.unsent)
    if not printer.quiet:
        if any(not target.written_stated and target.written_at for target in found.targets):
            printer.line("  * by the file's time, as the backup doesn't say when it was written", style="dim")
        if left := [target.name for target in found.targets if target.skipped]:
            printer.line(f"  not looked at tonight: {', '.join(left)}", style="dim")
        for path in found.reports:
            printer.line(f"  written: {path}", style="dim")


def _row(target: TargetResult, found: Drilled) -> list[str]:
    rung = target.rung or ("" if target.skipped else "none")
    return [
        target.name,
        "left out" if target.skipped else target.verdict,
        f"{rung} (wanted: {target.wanted})" if target.not_proven else rung,
        age(target, found.ended_at),
        "" if target.rows is None else f"{target.rows:,}",
        "" if target.skipped else duration(target.seconds),
        target.reason,
    ]


def _what_is_wrong(printer: Printer, targets: Sequence[TargetResult]) -> None:
    """What is more than a note, target by target, with the next step."""
    for target in targets:
        bad = [finding for finding in target.findings if finding.severity is not Severity.NOTE]
        if bad:
            printer.line(f"  {target.name}", style="bold")
            printer.findings(bad)
            for step in target.steps:
                if step.verdict != Verdict.SOUND.word:
                    printer.line(f"         by hand: sospes {shlex.join(step.words)}", style="dim")


def _tell_dry(printer: Printer, outcome: Outcome[Drilled]) -> None:
    """What would be run, with the space and time that it is expected to take."""
    found = outcome.result
    printer.verdict(outcome.verdict, found.drill, "nothing was run: this is what would be", "planned")
    rows = []
    for target in found.targets:
        words = [f"sospes {shlex.join(step.words)}" for step in target.steps] or [target.reason]
        rows.append([target.name, _space(target), _time(target), words[0]])
        rows += [["", "", "", more] for more in words[1:]]
    printer.table(("target", "space", "time", "commands"), rows, (1, 2))
    times = [target.expected_seconds for target in found.targets if target.steps and target.expected_seconds]
    if times:
        printer.line(f"  in all about {duration(sum(times))}, by the median of the nights before", style="dim")
    bad: list[Finding] = [item for target in found.targets for item in target.findings]
    printer.findings([item for item in bad if item.severity is not Severity.NOTE])


def _space(target: TargetResult) -> str:
    if not target.steps:
        return ""
    return "unknown" if target.expected_bytes is None else size(target.expected_bytes)


def _time(target: TargetResult) -> str:
    if not target.steps:
        return ""
    return "unknown" if target.expected_seconds is None else duration(target.expected_seconds)

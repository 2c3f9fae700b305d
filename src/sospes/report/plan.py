"""How a plan for a restore is told."""

from __future__ import annotations

import shlex
from pathlib import Path

from sospes.engines.registry import title_of
from sospes.formats.registry import words_of
from sospes.model.outcome import Outcome
from sospes.model.planning import Need, Part, RestorePlan
from sospes.model.verdict import Verdict
from sospes.report.printer import Printer
from sospes.report.words import count_severities, moment, plural, size

MOST_PARTS = 8
MOST_NAMED = 8


def tell_plan(printer: Printer, outcome: Outcome[RestorePlan]) -> None:
    """The verdict and what would be reached, what is missing, then the parts in the order of use, and the target."""
    found = outcome.result
    printer.verdict(outcome.verdict, outcome.name, _summary(outcome), "planned" if not outcome.verdict else "")
    printer.findings(outcome.findings)
    if not printer.quiet:
        printer.facts(_facts(found))
        printer.table(
            ["in this order", "kind", "for", "from", "to", "size"],
            [_row(part) for part in _shown(found.parts)],
            (5,),
        )
    if outcome.verdict is Verdict.SOUND:
        printer.next(f"prove it: sospes {words_of(found.format or '').proven_by} {_command(found)}")
    printer.rung(outcome.rung, "only heads were read, nothing was restored; verify reads all of it")


def _summary(outcome: Outcome[RestorePlan]) -> str:
    found = outcome.result
    reached = found.would_reach.time or (f"position {found.would_reach.lsn}" if found.would_reach.lsn else "unknown")
    held = f"{plural(len(found.parts), 'part')}, would reach {reached}"
    return held if outcome.verdict is Verdict.SOUND else f"{count_severities(outcome.findings)}; {held}"


def _facts(found: RestorePlan) -> list[tuple[str, str]]:
    window = found.window
    facts = [
        ("of", f"{found.lineage}: {', '.join(found.databases[:MOST_NAMED]) or 'databases unknown from heads alone'}"),
        (
            "can reach",
            f"from {moment(window.from_, window.from_position)} to {moment(window.to, window.to_position)}",
        ),
    ]
    if found.consistent_at is not None:
        facts.append(("logs at least to", found.consistent_at))
    facts.append(("space needed", size(found.space_bytes) if found.space_bytes is not None else "unknown until read"))
    if found.missing:
        facts.append(
            ("missing", "; ".join(f"{one.what} ({one.from_} to {one.to or 'unknown'})" for one in found.missing))
        )
    needs = ", ".join(map(_need, found.needs[:MOST_NAMED]))
    more = f" and {len(found.needs) - MOST_NAMED:,} more, all in --json" if len(found.needs) > MOST_NAMED else ""
    unsure = "" if found.needs_known else "; what else, only reading it through would tell"
    facts.append(("target must have", f"{needs or title_of(found.engine or '')}{more}{unsure}"))
    return facts


def _need(need: Need) -> str:
    where = f" (in {', '.join(need.databases[:MOST_NAMED])})" if need.databases else ""
    return f"{need.kind} {need.name}{where}"


def _shown(parts: tuple[Part, ...]) -> list[Part | None]:
    """The first and last of many parts; None stands for those between them."""
    if len(parts) <= MOST_PARTS:
        return list(parts)
    return [*parts[: MOST_PARTS - 2], None, parts[-1]]


def _row(part: Part | None) -> list[str]:
    if part is None:
        return ["... and so on; all are in --json", "", "", "", "", ""]
    return [part.path, part.kind, part.role, part.from_ or "", part.to or "", size(part.size_bytes)]


def _command(found: RestorePlan) -> str:
    """The words behind verify: the last backup, and the folders of all else."""
    backups = [part.path for part in found.parts if part.kind != "log"]
    logs = [str(Path(part.path).parent) for part in found.parts if part.kind == "log"]
    outside = [folder for folder in logs if not folder.startswith(f"{backups[-1]}/")]
    places = dict.fromkeys([*backups[:-1], *outside])
    return shlex.join([backups[-1], *(word for place in places for word in ("--with", place))])

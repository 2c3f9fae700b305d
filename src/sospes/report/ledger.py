"""How the ledger is told."""

from __future__ import annotations

from datetime import datetime
from pathlib import Path

from sospes.model.outcome import Outcome
from sospes.model.verdict import Rung, Verdict
from sospes.report.printer import Printer
from sospes.report.words import ago, count_severities, duration, plural, size
from sospes.work.ledger.looking import Look, Shown, Standing

_TITLES = ("database or server", "rung", "proven", "backups", "rows", "size", "last restore", "in a month")


def tell_ledger(printer: Printer, outcome: Outcome[Look], now: datetime) -> None:
    """What needs a hand, how each lineage stands, and the latest proofs."""
    found = outcome.result
    summary = f"{plural(found.total, 'proof')} of {plural(len(found.lineages), 'lineage')}"
    if outcome.findings:
        summary = f"{count_severities(outcome.findings)}; {summary}"
    printer.verdict(outcome.verdict, outcome.name, summary, "" if outcome.verdict is not Verdict.SOUND else "recorded")
    printer.findings(outcome.findings)
    if not printer.quiet:
        if found.lineages:
            printer.table(_TITLES, [_row(standing, now) for standing in found.lineages], (3, 4, 5, 6, 7))
        if found.proofs:
            printer.line()
            rows = [
                [
                    datetime.fromisoformat(proof.at).astimezone().strftime("%Y-%m-%d %H:%M"),
                    proof.verdict,
                    proof.rung or "none",
                    _by(proof),
                    duration(proof.seconds),
                    Path(proof.backup).name,
                ]
                for proof in found.proofs
            ]
            printer.table(("latest proofs", "verdict", "rung", "by", "took", "backup"), rows, (4,))
            if found.total > len(found.proofs):
                more = found.total - len(found.proofs)
                printer.line(f"  ... and {plural(more, 'earlier one')}; --limit N lists more", style="dim")
    if outcome.evidence:
        printer.rung(outcome.rung, "by all proofs of these bytes")


def _by(proof: Shown) -> str:
    """What a proof was made by, and where or with what."""
    if proof.side is None:
        return proof.command
    return f"{proof.command} {'with' if Rung.MATCHED in proof.evidence else 'on'} {proof.side}"


def _row(standing: Standing, now: datetime) -> list[str]:
    sound = standing.last_sound_at
    growth = standing.restore_growth
    return [
        standing.lineage,
        (standing.rung or "none") + ("" if standing.verdict == Verdict.SOUND.word else f" ({standing.verdict})"),
        f"{ago(now - datetime.fromisoformat(sound))} ago" if sound else "never",
        f"{standing.backups:,}",
        "" if standing.rows is None else f"{standing.rows:,}",
        size(standing.size_bytes),
        "" if standing.restore_seconds is None else duration(standing.restore_seconds),
        "" if growth is None else f"{growth:+.0%}",
    ]

"""A proof: what one command showed of one backup, at one time."""

from __future__ import annotations

from dataclasses import dataclass, field
from datetime import datetime

from sospes.model.findings import Finding
from sospes.model.verdict import Rung


@dataclass(frozen=True, slots=True, kw_only=True)
class Proof:
    """What was proven of which bytes. Sizes in bytes, times in ISO 8601 with zone.

    base        engine and names of the lineage, as the bytes give them
    backup      the path where it lay, or `-`
    digest      of its stored bytes: a moved file keeps its proof, a changed byte loses it
    dated_at    when the backup was written; the file's own time stamp where it doesn't say
    side        where it was restored to: embedded, private, or a server's address
    evidence    all rungs that this run has proven
    steps       seconds by step
    rows        of all tables, None where they were not counted
    tables      rows by table, likewise
    findings    code, severity and message
    """

    lineage: str
    base: str
    backup: str
    digest: str
    size_bytes: int | None
    format: str | None
    engine: str | None
    kind: str | None
    written_at: str | None
    dated_at: str
    command: str
    at: str
    side: str | None
    rung: str | None
    verdict: str
    evidence: tuple[str, ...]
    seconds: float
    steps: tuple[tuple[str, float], ...] = ()
    rows: int | None = None
    tables: dict[str, int | None] = field(default_factory=dict)
    findings: tuple[tuple[str, str, str], ...] = ()
    machine: str = ""
    sospes: str = ""

    @property
    def when(self) -> datetime:
        """The time of the proof."""
        return datetime.fromisoformat(self.at)

    @property
    def dated(self) -> datetime:
        """The time of the backup."""
        return datetime.fromisoformat(self.dated_at)

    def proves(self, rung: Rung) -> bool:
        """Whether this run has proven a rung, or one above it."""
        order = list(Rung)
        return any(order.index(Rung(found)) >= order.index(rung) for found in self.evidence)


def told(findings: tuple[Finding, ...]) -> tuple[tuple[str, str, str], ...]:
    """Findings as a proof keeps them."""
    return tuple((finding.code, finding.severity.value, finding.message) for finding in findings)

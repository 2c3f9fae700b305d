"""Looks into the ledger: what is proven of each lineage, how long restores take, what is stale or unusual."""

from __future__ import annotations

import time
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from pathlib import Path

import numpy as np

from sospes.model.errors import NotFound
from sospes.model.findings import Finding, doubt, note
from sospes.model.outcome import Outcome
from sospes.model.verdict import LADDER, Rung, Verdict, highest_rung
from sospes.work.ledger.proof import Proof
from sospes.work.ledger.recording import MOST_LOOKED_AT, bytes_digest
from sospes.work.ledger.store import Ledger
from sospes.work.ledger.unusual import unusual

STALE_AFTER = timedelta(days=7)
RESTORES = frozenset({Rung.LOADED.value, Rung.RESTORED.value})
"""Rungs that show that a run has restored something, so that its time is one of restoring."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Shown:
    """One proof as documents have it."""

    lineage: str
    backup: str
    digest: str
    rung: str | None
    verdict: str
    at: str
    seconds: float
    command: str
    side: str | None
    evidence: tuple[str, ...]
    size_bytes: int | None
    rows: int | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Standing:
    """How one lineage stands. Times in ISO 8601 with zone, spans in seconds, sizes in bytes.

    proofs           how many there are, of how many different backups
    rung             the highest that the newest proven backup has reached, by all proofs of its bytes
    last_sound_at    when a backup of it was last proven sound
    restore_seconds  of the last restore, and the median of all on the same side
    restore_growth   by how much restores got longer in a month, as a share; None with fewer than three
    """

    lineage: str
    proofs: int
    backups: int
    rung: str | None
    verdict: str
    last_at: str
    last_sound_at: str | None
    size_bytes: int | None
    rows: int | None
    restore_seconds: float | None
    restore_median: float | None
    restore_growth: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Stale:
    """A lineage that nothing was proven of for too long."""

    lineage: str
    last_sound_at: str | None
    days: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Unusual:
    """What is unusual about a lineage's latest backup."""

    lineage: str
    code: str
    message: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Look:
    """What a ledger has. `proofs` are the newest first, up to a limit; `total` is how many there are."""

    ledger: str
    total: int
    proofs: tuple[Shown, ...]
    lineages: tuple[Standing, ...]
    stale: tuple[Stale, ...]
    unusual: tuple[Unusual, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Looking:
    """How to look: at which backups only, at lineages with some word in their name, and what counts as stale.

    asked  whether somebody asked for what is stale, which is a doubt then
    """

    now: datetime
    backups: Sequence[Sequence[Path]] = ()
    lineage: str = ""
    stale_after: timedelta = STALE_AFTER
    asked: bool = False
    limit: int = 20


def look(ledger: Ledger, how: Looking) -> Outcome[Look]:
    """What is proven. Raises NotFound where there is no ledger, or nothing in it of what was asked for."""
    begin = time.perf_counter()
    if not ledger.exists:
        raise NotFound(f"{ledger.path}: nothing was written down yet", "verify or rehearse a backup first")
    if how.backups:
        return _of_backups(ledger, how, begin)
    proofs = [proof for proof in ledger.proofs(light=True) if how.lineage.casefold() in proof.lineage.casefold()]
    if not proofs:
        raise NotFound(
            f"{ledger.path}: has no proof of {how.lineage or 'anything'}", "sospes ledger shows all lineages"
        )
    by_lineage: dict[str, list[Proof]] = {}
    for proof in proofs:
        by_lineage.setdefault(proof.lineage, []).append(proof)
    standings = [_standing(name, found) for name, found in by_lineage.items()]
    stale = [*_stale(standings, how)]
    odd = [item for name in by_lineage for item in _unusual(name, ledger)]
    findings = [*_stale_findings(stale, how), *(note(item.code, f"{item.lineage}: {item.message}") for item in odd)]
    result = Look(
        ledger=str(ledger.path), total=len(proofs), proofs=_shown(proofs, how.limit),
        lineages=tuple(sorted(standings, key=lambda standing: standing.last_sound_at or "")),
        stale=tuple(stale), unusual=tuple(odd),
    )  # fmt: skip
    return Outcome(
        name=str(ledger.path), findings=tuple(findings), evidence=(), result=result, seconds=time.perf_counter() - begin
    )


def series(proofs: Sequence[Proof]) -> dict[str, list[Proof]]:
    """The proofs of each lineage that a figure can show, oldest backup first."""
    found: dict[str, list[Proof]] = {}
    for proof in sorted(proofs, key=lambda proof: (proof.dated_at, proof.at)):
        found.setdefault(proof.lineage, []).append(proof)
    return found


def _of_backups(ledger: Ledger, how: Looking, begin: float) -> Outcome[Look]:
    """What is proven of the bytes of some backups, wherever they lay then."""
    found: list[Proof] = []
    findings: list[Finding] = []
    evidence = [frozenset(Rung)]
    for paths in how.backups:
        proofs = ledger.proofs(digest=bytes_digest(paths))
        found += proofs
        evidence.append(frozenset(map(Rung, (rung for proof in proofs for rung in proof.evidence))))
        findings += [finding.at(file=str(paths[0])) for finding in _proven_findings(paths[0], proofs)]
    standings = [_standing(name, items) for name, items in series(found).items()]
    result = Look(
        ledger=str(ledger.path), total=len(found), proofs=_shown(found, how.limit), lineages=tuple(standings),
        stale=(), unusual=(),
    )  # fmt: skip
    common = frozenset.intersection(*evidence)
    return Outcome(
        name=", ".join(str(paths[0]) for paths in how.backups),
        findings=tuple(findings),
        evidence=tuple(rung for rung in LADDER if rung in common),
        result=result,
        seconds=time.perf_counter() - begin,
    )


def _proven_findings(path: Path, proofs: Sequence[Proof]) -> Iterator[Finding]:
    """What the latest proof leaves open; a doubt where there is none."""
    if not proofs:
        yield doubt(
            "never-proven", f"{path}: of these bytes nothing was ever proven", f"prove it: sospes rehearse {path}"
        )
        return
    last = proofs[-1]
    if last.verdict != Verdict.SOUND.word:
        reasons = "; ".join(message for _, severity, message in last.findings if severity != "note")
        yield doubt(
            "proof-failed",
            f"{path}: {last.command} on {last.at[:10]} called these bytes {last.verdict}: {reasons}",
            f"look once more: sospes {last.command} {path}",
        )


def _shown(proofs: Sequence[Proof], limit: int) -> tuple[Shown, ...]:
    newest = sorted(proofs, key=lambda proof: proof.at, reverse=True)[:limit]
    return tuple(
        Shown(
            lineage=proof.lineage, backup=proof.backup, digest=proof.digest, rung=proof.rung, verdict=proof.verdict,
            at=proof.at, seconds=proof.seconds, command=proof.command, side=proof.side, evidence=proof.evidence,
            size_bytes=proof.size_bytes, rows=proof.rows,
        )
        for proof in newest
    )  # fmt: skip


def _standing(lineage: str, proofs: Sequence[Proof]) -> Standing:
    # Of several copies of one night a sound one counts.
    newest = max(proofs, key=lambda proof: (proof.dated_at, proof.verdict == Verdict.SOUND.word, proof.at))
    of_it = [proof for proof in proofs if proof.digest == newest.digest]
    sound = [proof for proof in proofs if proof.verdict == Verdict.SOUND.word]
    restores = [proof for proof in sound if RESTORES & set(proof.evidence) and proof.steps]
    last = max(restores, key=lambda proof: proof.at, default=None)
    alike = [proof for proof in restores if last and (proof.side, proof.machine) == (last.side, last.machine)]
    rung = highest_rung(
        Rung(found) for proof in of_it if proof.verdict != Verdict.UNSOUND.word for found in proof.evidence
    )
    rows = [proof.rows for proof in of_it if proof.rows is not None]
    return Standing(
        lineage=lineage,
        proofs=len(proofs),
        backups=len({proof.digest for proof in proofs}),
        rung=rung.value if rung else None,
        verdict=max(of_it, key=lambda proof: proof.at).verdict,
        last_at=max(proof.at for proof in proofs),
        last_sound_at=max((proof.at for proof in sound), default=None),
        size_bytes=newest.size_bytes,
        rows=rows[-1] if rows else None,
        restore_seconds=last.seconds if last else None,
        restore_median=float(np.median([proof.seconds for proof in alike])) if alike else None,
        restore_growth=_growth(alike),
    )


def _growth(restores: Sequence[Proof]) -> float | None:
    """By what share of their median restores get longer in 30 days.

    The slope is that of Theil and Sen, which odd nights leave alone.
    """
    days = [proof.when.timestamp() / 86400 for proof in restores]
    if len(set(days)) < 3 or max(days) - min(days) < 2:
        return None
    from scipy.stats import theilslopes

    seconds = [proof.seconds for proof in restores]
    return float(theilslopes(seconds, days)[0]) * 30 / float(np.median(seconds))


def _stale(standings: Sequence[Standing], how: Looking) -> Iterator[Stale]:
    for standing in standings:
        last = standing.last_sound_at
        age = how.now - datetime.fromisoformat(last) if last else None
        if age is None or age > how.stale_after:
            days = round(age / timedelta(days=1), 1) if age is not None else None
            yield Stale(lineage=standing.lineage, last_sound_at=last, days=days)


def _stale_findings(stale: Sequence[Stale], how: Looking) -> Iterator[Finding]:
    make = doubt if how.asked else note
    for item in stale:
        since = f"since {item.last_sound_at[:10]}" if item.last_sound_at else "ever"
        yield make("proof-stale", f"{item.lineage}: no backup was proven sound {since}", "rehearse its newest backup")


def _unusual(lineage: str, ledger: Ledger) -> Iterator[Unusual]:
    """What is unusual about the latest backup of a lineage."""
    proofs = ledger.proofs(lineage=lineage, most=MOST_LOOKED_AT)
    counted = [proof for proof in proofs if proof.tables and proof.verdict != Verdict.UNSOUND.word]
    if counted:
        latest = max(counted, key=lambda proof: (proof.dated_at, proof.at))
        for finding in unusual(latest, proofs):
            yield Unusual(lineage=lineage, code=finding.code, message=finding.message)

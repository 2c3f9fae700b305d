"""What is unusual about tonight's backup, beside the nights before: size, rows by table, time that it took.

Compared are the steps from one night to the next, as ratios, by the median and the median absolute deviation: both
leave a few odd nights alone, and a table that grows steadily is as it should be. A step is unusual if it is far outside
of these, and further than any of the nights before, so that what is emptied every Sunday isn't told of every Sunday.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from sospes.model.findings import Finding, note, some
from sospes.model.verdict import Verdict
from sospes.work.ledger.proof import Proof

FEWEST_NIGHTS = 5
"""Nights before tonight without which nothing is called unusual."""

MOST_NIGHTS = 60
FAR = 5.0
"""Deviations from the median that are far."""

SMALLEST_DEVIATION = math.log(1.05)
"""What varies by less is taken to vary by so much: five in a hundred."""

FEWEST_ROWS = 10
FEWEST_BYTES = 1 << 16
FEWEST_SECONDS = 10.0
MOST_NAMED = 5


@dataclass(frozen=True, slots=True)
class Step:
    """How a figure went from last night to tonight, and what `nights` nights before make of it.

    expected  what it would be after a usual step
    """

    before: float
    now: float
    expected: float
    nights: int

    @property
    def fell(self) -> bool:
        """Whether it is less than usual."""
        return self.now < self.expected


def unusual_step(before: Sequence[float], now: float, least: float) -> Step | None:
    """How far tonight's figure is off, given those of the nights before, oldest first; None where it isn't.

    `least` is a change that is never unusual. Needs FEWEST_NIGHTS nights.
    """
    if len(before) < FEWEST_NIGHTS or (abs(now - before[-1]) < least and not (now == 0 < min(before))):
        return None
    import numpy as np
    from scipy.stats import median_abs_deviation

    levels = np.log1p(np.asarray(before[-MOST_NIGHTS:], dtype=float))
    steps = np.diff(levels)
    usual = float(np.median(steps))
    deviation = max(float(median_abs_deviation(steps, scale="normal")), SMALLEST_DEVIATION)
    step = math.log1p(now) - float(levels[-1])
    beyond = step < float(steps.min()) or step > float(steps.max())
    if abs(step - usual) <= FAR * deviation or not beyond:
        return None
    return Step(before[-1], now, math.expm1(float(levels[-1]) + usual), len(before[-MOST_NIGHTS:]))


def nights_before(proof: Proof, proofs: Sequence[Proof]) -> list[Proof]:
    """The sound proofs of earlier backups of a lineage, oldest first: the latest one for each backup, one a day."""
    last: dict[str, Proof] = {}
    for item in proofs:
        usable = item.verdict != Verdict.UNSOUND.word and item.kind == proof.kind and item.tables
        if usable and item.digest != proof.digest and item.dated < proof.dated:
            last[item.digest] = item
    by_day = {item.dated.date(): item for item in sorted(last.values(), key=lambda item: item.dated)}
    return list(by_day.values())


def unusual(proof: Proof, proofs: Sequence[Proof]) -> list[Finding]:
    """Notes on what a backup has that the nights before it had not. `proofs` are those of its lineage."""
    nights = nights_before(proof, proofs)
    if len(nights) < FEWEST_NIGHTS:
        return []
    return [*_rows(proof, nights), *_size(proof, nights), *_duration(proof, proofs)]


def _rows(proof: Proof, nights: Sequence[Proof]) -> Iterator[Finding]:
    """Tables with fewer or more rows than expected, and those that are gone; one finding for each direction."""
    steady = [name for name, rows in nights[-1].tables.items() if rows is not None]
    if not proof.tables:
        return
    gone: list[str] = []
    fallen: list[tuple[float, str]] = []
    grown: list[tuple[float, str]] = []
    for name in steady:
        counts = [float(rows) for night in nights if (rows := night.tables.get(name)) is not None]
        if name not in proof.tables:
            if len(counts) >= FEWEST_NIGHTS:
                gone.append(name)
            continue
        now = proof.tables[name]
        step = None if now is None else unusual_step(counts, float(now), FEWEST_ROWS)
        if step is not None:
            said = f"{name} has {step.now:,.0f} rows, {step.before:,.0f} the night before"
            (fallen if step.fell else grown).append((abs(step.now - step.expected), said))
    for words, found in (("fewer rows than usual", fallen), ("more rows than usual", grown)):
        if found:
            listed = [said for _, said in sorted(found, reverse=True)]
            yield note("unusual-rows", f"{words}: {some(listed, MOST_NAMED)} {_resting(nights)}", _ROWS_ADVICE)
    if gone:
        yield note("unusual-rows", f"tables that are gone: {some(gone, MOST_NAMED)} {_resting(nights)}", _ROWS_ADVICE)


_ROWS_ADVICE = "find out what happened to the database; compare this backup with an earlier one to see which rows"


def _size(proof: Proof, nights: Sequence[Proof]) -> Iterator[Finding]:
    sizes = [
        float(night.size_bytes) for night in nights if night.size_bytes is not None and night.format == proof.format
    ]
    step = None if proof.size_bytes is None else unusual_step(sizes, float(proof.size_bytes), FEWEST_BYTES)
    if step is not None:
        yield note(
            "unusual-size",
            f"the backup is {'smaller' if step.fell else 'larger'} than usual: {step.now:,.0f} bytes, "
            f"{step.before:,.0f} the night before {_resting(nights)}",
            "find out whether something was left out or added: compare its tables with those of an earlier one",
        )


def _duration(proof: Proof, proofs: Sequence[Proof]) -> Iterator[Finding]:
    """A run of the same kind that took far longer."""
    alike = [
        item for item in proofs if (item.command, item.side, item.machine) == (proof.command, proof.side, proof.machine)
    ]
    nights = nights_before(proof, alike)
    step = unusual_step([night.seconds for night in nights], proof.seconds, FEWEST_SECONDS)
    if step is not None and not step.fell:
        yield note(
            "unusual-duration",
            f"{proof.command} took longer than usual: {step.now:,.0f} s, {step.before:,.0f} s the time before "
            f"{_resting(nights)}",
            "look at this machine's load and disks before a restore is in a hurry",
        )


def _resting(nights: Sequence[Proof]) -> str:
    """On how many nights it rests."""
    return f"({len(nights):,} nights before)"

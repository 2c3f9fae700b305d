"""Verdicts, severities and the rungs of the proof ladder."""

from __future__ import annotations

from collections.abc import Iterable
from enum import IntEnum, StrEnum


class Verdict(IntEnum):
    """What is known about a backup, ordered so that `max` is the worst."""

    SOUND = 0
    UNPROVEN = 1
    UNSOUND = 2

    @property
    def word(self) -> str:
        """The word that reports and JSON use."""
        return self.name.lower()

    @property
    def exit_code(self) -> int:
        """The exit code of the contract for programs."""
        return {Verdict.SOUND: 0, Verdict.UNSOUND: 1, Verdict.UNPROVEN: 3}[self]


class Severity(StrEnum):
    """How much a finding weighs: a fault breaks data or restoring, a doubt needs a person's eye."""

    FAULT = "fault"
    DOUBT = "doubt"
    NOTE = "note"

    @property
    def verdict(self) -> Verdict:
        """The best verdict that is possible beside such a finding."""
        return {
            Severity.FAULT: Verdict.UNSOUND,
            Severity.DOUBT: Verdict.UNPROVEN,
            Severity.NOTE: Verdict.SOUND,
        }[self]


class Rung(StrEnum):
    """The proof ladder, lowest first."""

    PRESENT = "present"
    IDENTIFIED = "identified"
    INTACT = "intact"
    LOADED = "loaded"
    RESTORED = "restored"
    CONSISTENT = "consistent"
    MATCHED = "matched"


LADDER = tuple(Rung)


def highest_rung(evidence: Iterable[Rung]) -> Rung | None:
    """The highest rung with nothing missing below it; None when not even the lowest is proven.

    `loaded` (an embedded side copy) and `restored` (the backup's own engine) are both above `intact`.
    """
    proven = set(evidence)
    reached = None
    for rung in LADDER:
        if rung not in proven:
            break
        reached = rung
    return reached

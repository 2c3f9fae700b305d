"""Findings: what is wrong with a backup, where, and what to do next."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from sospes.model.verdict import Severity, Verdict


@dataclass(frozen=True, slots=True, kw_only=True)
class Place:
    """Where something stands. Unknown parts are None; offsets are bytes, half open, from the start.

    `stored_*` count in the file as it lies on disk, `plain_*` in the unpacked text.
    Lines and rows count from 1; `row_from` and `row_to` are both included.
    """

    file: str | None = None
    stored_from: int | None = None
    stored_to: int | None = None
    plain_from: int | None = None
    plain_to: int | None = None
    line: int | None = None
    database: str | None = None
    schema: str | None = None
    table: str | None = None
    row_from: int | None = None
    row_to: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Finding:
    """One thing found: a stable kebab-case code, what is wrong, and the reader's next step."""

    code: str
    severity: Severity
    message: str
    advice: str
    place: Place = Place()

    @property
    def is_unusual(self) -> bool:
        """Whether it says how the data differs from the nights before: a note, and one that nobody may miss."""
        return self.code.startswith("unusual-")

    def at(self, **parts: int | str | None) -> Finding:
        """The same finding with more of its place known."""
        return replace(self, place=replace(self.place, **parts))  # type: ignore[arg-type]


def fault(code: str, message: str, advice: str, place: Place | None = None) -> Finding:
    """A finding that makes a backup unsound."""
    return Finding(code=code, severity=Severity.FAULT, message=message, advice=advice, place=place or Place())


def doubt(code: str, message: str, advice: str, place: Place | None = None) -> Finding:
    """A finding that leaves a backup unproven."""
    return Finding(code=code, severity=Severity.DOUBT, message=message, advice=advice, place=place or Place())


def note(code: str, message: str, advice: str = "", place: Place | None = None) -> Finding:
    """A finding that changes no verdict."""
    return Finding(code=code, severity=Severity.NOTE, message=message, advice=advice, place=place or Place())


def some(names: Sequence[str], most: int) -> str:
    """The first of some names, and how many more there are."""
    return ", ".join(names[:most]) + (f" and {len(names) - most:,} more" if len(names) > most else "")


def verdict_of(findings: Iterable[Finding]) -> Verdict:
    """The worst that the findings allow; sound when there is none."""
    return max((finding.severity.verdict for finding in findings), default=Verdict.SOUND)

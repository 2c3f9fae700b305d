"""Figures and names as people read them."""

from __future__ import annotations

from datetime import timedelta

from sospes.model.entries import joined
from sospes.model.findings import Finding, Place
from sospes.model.moments import Reached


def size(count: int | None) -> str:
    """A number of bytes in a unit that suits it."""
    if count is None:
        return "size unknown"
    amount = float(count)
    for unit in ("bytes", "KiB", "MiB", "GiB", "TiB"):
        if amount < 1024 or unit == "TiB":
            return f"{count:,} bytes" if unit == "bytes" else f"{amount:.1f} {unit}"
        amount /= 1024
    return f"{count:,} bytes"


def duration(seconds: float) -> str:
    """A time span in a unit that suits it."""
    if seconds < 60:
        return f"{seconds:.2f} s"
    minutes, rest = divmod(round(seconds), 60)
    hours, minutes = divmod(minutes, 60)
    return f"{hours} h {minutes:02} min" if hours else f"{minutes} min {rest:02} s"


def ago(age: timedelta) -> str:
    """How long something is ago, in a unit that suits it."""
    hours = age.total_seconds() / 3600
    if hours < 2:
        return plural(max(0, round(hours * 60)), "minute")
    return plural(round(hours), "hour") if hours < 72 else plural(round(hours / 24), "day")


def plural(count: int, noun: str) -> str:
    """A count with its noun."""
    if count == 1:
        return f"1 {noun}"
    if noun.endswith("y") and noun[-2:] not in {"ay", "ey"}:
        return f"{count:,} {noun[:-1]}ies"
    return f"{count:,} {noun}{'es' if noun.endswith(('x', 'ch')) else 's'}"


_SHOWN = {"\n": "⏎", "\t": "→"}
"""Characters that have a sign of their own; all others that don't print are shown by their number."""


def shown(text: str) -> str:
    """Text from a backup without anything that would steer a terminal."""
    return "".join(char if char.isprintable() else _SHOWN.get(char, f"\\x{ord(char):02x}") for char in text)


def place_words(place: Place, file: bool = False) -> str:
    """Where a finding is, in words; the file only when asked for."""
    parts = []
    if file and place.file:
        parts.append(shown(place.file))
    if place.table and (place.row_from is not None or place.line or place.plain_from is not None):
        table = joined(place.database, place.schema, place.table)
        parts.append(shown(table))
    if place.row_from is not None:
        same = place.row_to in {None, place.row_from}
        parts.append(f"row {place.row_from:,}" if same else f"rows {place.row_from:,} to {place.row_to:,}")
    if place.line:
        parts.append(f"line {place.line:,}")
    if place.plain_from is not None:
        parts.append(f"byte {place.plain_from:,} of the text")
    if place.stored_from is not None and place.stored_from != place.plain_from:
        upto = f" to {place.stored_to:,}" if place.stored_to not in {None, place.stored_from} else ""
        parts.append(f"byte {place.stored_from:,}{upto} of the file")
    return ", ".join(parts)


def count_severities(findings: tuple[Finding, ...]) -> str:
    """How many faults, doubts and notes there are."""
    counts: dict[str, int] = {}
    for finding in findings:
        counts[finding.severity.value] = counts.get(finding.severity.value, 0) + 1
    return ", ".join(plural(count, word) for word, count in counts.items())


def moment(time: str | None, position: str | None) -> str:
    """A moment of a log: when, and where."""
    if time is None:
        return position or "unknown"
    return f"{time} ({position})" if position else time


def reached(found: Reached) -> str:
    """The moment that a restore by logs has reached."""
    last = f", the last commit is transaction {found.transaction}" if found.transaction else ""
    return f"reached: {moment(found.time, found.lsn)}{last}"

"""Finds private servers that a killed run left behind, and removes them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path

from sospes.sides.servers.private import drop_leftover, leftovers
from sospes.work.outcome import Outcome


@dataclass(frozen=True, slots=True, kw_only=True)
class Left:
    """One folder that was left; `dropped` once it is gone. A folder in use belongs to a run that still goes on."""

    folder: str
    engine: str
    bytes: int
    running: bool
    in_use: bool
    dropped: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Tidying:
    """All that was found in the places looked at."""

    places: tuple[str, ...]
    left: tuple[Left, ...]


def tidy(places: Sequence[Path], drop: bool) -> Outcome[Tidying]:
    """List what was left in the places, and with `drop` delete it. Only folders with Sospes's own mark are touched."""
    found = []
    for item in leftovers(list(dict.fromkeys(place.resolve() for place in places))):
        dropped = drop and not item.in_use
        if dropped:
            drop_leftover(item)
        found.append(
            Left(
                folder=str(item.folder), engine=item.engine, bytes=item.bytes, running=item.running,
                in_use=item.in_use, dropped=dropped,
            )
        )  # fmt: skip
    result = Tidying(places=tuple(map(str, places)), left=tuple(found))
    return Outcome(name="", findings=(), evidence=(), result=result)

"""A private server that recovers the files of a physical copy, whatever the engine."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from contextlib import AbstractContextManager
from dataclasses import dataclass
from pathlib import Path
from typing import Protocol

from sospes.model.entries import Name
from sospes.model.findings import Finding
from sospes.model.retracing import NumberedRelation
from sospes.sides.servers.address import Address
from sospes.sides.servers.binaries import Binaries, Installed


class RecoveryFailed(Exception):
    """A server gave up recovering; the message is its own."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Limits:
    """What a server must at least be set to, to apply a log: as the backup says."""

    connections: int
    workers: int
    prepared: int
    locks: int


class Recovering(Protocol):
    """A private server whose files are laid out in `data`, with their log."""

    folder: Path
    data: Path

    @property
    def walls(self) -> tuple[str, ...]:
        """What is out of its reach."""
        ...

    def given_up(self) -> AbstractContextManager[None]:
        """What is first done with the server: if it fails, nothing is left of it."""
        ...

    def recover(self, limits: Limits, timeline: int, alive: Callable[[], None]) -> None:
        """Apply all of the log, and end the recovery. Raises RecoveryFailed."""
        ...

    def ended_at(self) -> int | None:
        """The position at which the recovery ended; None where nothing says."""
        ...

    def start(self) -> None:
        """Start it for looking at."""
        ...

    def databases(self) -> list[str]:
        """All databases that let anybody connect."""
        ...

    def populated(self) -> list[str]:
        """The databases that have tables."""
        ...

    def address(self, database: str) -> Address:
        """How to connect to a database as a superuser of ours."""
        ...

    def checked(self, database: str, tables: dict[Name, int]) -> Iterator[Finding]:
        """What the engine's own checks find in a database; `tables` takes the rows of each table."""
        ...

    def keep(self, folder: Path) -> tuple[str, ...]:
        """Stop it, and put its data into a new folder, ready to be started by hand; what was changed in them."""
        ...

    def remove(self) -> None:
        """Stop it, and delete its folder."""
        ...


@dataclass(frozen=True, slots=True, kw_only=True)
class RecoveryEngine:
    """How physical copies of an engine are recovered.

    installed  which programs it is, and where systems put them
    relations  the relations of a live cluster by their numbers; given its identifier, to be sure that it is the one
    script     what a database has as a script, or all of a server's, with the rows of wanted tables
    make       a server in a folder, walled off or not, whose files are still to be laid out
    """

    installed: Installed
    relations: Callable[[Address, int], list[NumberedRelation]]
    script: Callable[[Address, str | None, Callable[[Name], bool]], Iterator[bytes]]
    make: Callable[[Binaries, Path | None, bool], Recovering]

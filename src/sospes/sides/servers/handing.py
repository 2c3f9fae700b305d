"""One shape for putting a side copy in a live database's place, whatever the engine."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Protocol

from sospes.model.errors import CannotCheck, UsageError
from sospes.model.findings import Finding
from sospes.sides.servers.address import Address
from sospes.sides.servers.marks import Marked

KEPT = "kept by sospes: "
"""How the mark begins on what was live before: the way back."""

JOURNAL = "sospes_handover"
"""The table with what was done, where databases have no comments and can't be renamed."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Session:
    """Some sessions of one user by one program. `since` is when the oldest of them began, in ISO 8601."""

    database: str
    user: str
    program: str
    where: str
    count: int
    since: str | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Look:
    """What there is before anything is done; sizes in bytes."""

    marked: Marked
    live_bytes: int | None
    side_bytes: int | None
    sessions: tuple[Session, ...]
    findings: tuple[Finding, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Swapped:
    """What was done: sessions that were ended, steps by name."""

    kept_as: str
    ended: int
    steps: tuple[str, ...]


class Handing(Protocol):
    """A side copy and a live database of one server."""

    def begun(self) -> bool:
        """Whether a handover of this copy was begun by a run that was ended; `swap` then goes on with it."""
        ...

    def look(self) -> Look:
        """Look at both; nothing is changed. Raises UsageError for names that can't be, or a copy that isn't ours."""
        ...

    def check(self) -> Iterator[Finding]:
        """The engine's own checks of the copy."""
        ...

    def carry(self) -> Iterator[Finding]:
        """Give the copy what live has by its name: rights, owners, settings."""
        ...

    def swap(self, now: datetime, *, end_sessions: bool) -> Swapped:
        """Put the copy in live's place. Raises CannotCheck, with both as they were, where that can't be."""
        ...

    def back(self, *, end_sessions: bool) -> Swapped:
        """Put what was live before back in its place. Raises NotFound where nothing was kept."""
        ...


def still_open(sessions: Sequence[Session], told: str = "") -> CannotCheck:
    """What is raised where sessions are open that may not be ended; `told` names some of them."""
    count = sum(session.count for session in sessions)
    return CannotCheck(
        f"{'a session is' if count == 1 else f'{count} sessions are'} open, and nothing was changed{told}",
        "have them end, or give --end-sessions",
    )


def require_names(side: Address, live: str, own: frozenset[str]) -> None:
    """Raises UsageError for names that can't be those of a side copy and a live database; `own` are the server's."""
    if side.database is None:
        raise UsageError(f"{side.label}: names no database", "name the side copy in the address")
    for name, what in ((live, "the live database"), (side.database, "the side copy")):
        if name in own:
            raise UsageError(f"{name} is the server's own database, and can't be {what}", "name another one")
    if side.database == live:
        raise UsageError(f"{live} is the side copy and the live database at once", "give --live another name")


def own_copy(marked: Iterable[Marked], name: str) -> Marked:
    """The side copy of that name. Raises UsageError where there is none that this user's Sospes made."""
    found = next((one for one in marked if one.name == name), None)
    if found is None or not found.signed or found.kind != "database":
        raise UsageError(
            f"{name}: is no side copy that this user's Sospes made",
            "make one: sospes rehearse BACKUP --side URL --keep",
        )
    return found


def kept_name(live: str, now: datetime, longest: int) -> str:
    """What the database that was live is called from then on: with a date, in UTC."""
    stamp = now.astimezone(UTC).strftime("_before_%Y%m%d_%H%M%S")
    return live.encode()[: longest - len(stamp)].decode("utf-8", "ignore") + stamp

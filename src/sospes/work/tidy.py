"""Finds private servers and databases that were left behind, and removes them."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from pathlib import Path

from sospes.sides.servers.address import Address
from sospes.sides.servers.private import drop_leftover, leftovers
from sospes.sides.servers.restoring import drop_marked, marked_databases
from sospes.work.outcome import Outcome


@dataclass(frozen=True, slots=True, kw_only=True)
class Left:
    """What was left: a private server's folder, or a database or role on a server in use; `dropped` once it is gone.

    in_use   a run still goes on that made it, or somebody is connected to it
    signed   whether this user's own Sospes made it; nothing else is dropped
    backup   what a database was made from, and made_at when
    """

    kind: str
    location: str
    engine: str
    bytes: int | None
    backup: str | None = None
    made_at: str | None = None
    running: bool
    in_use: bool
    signed: bool = True
    dropped: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Tidying:
    """All that was found in the places looked at."""

    places: tuple[str, ...]
    left: tuple[Left, ...]


def tidy(places: Sequence[Path], servers: Sequence[Address], drop: bool) -> Outcome[Tidying]:
    """List what was left in the places and on the servers, and with `drop` delete it, unless somebody uses it.

    Only folders and databases with Sospes's own mark are touched.
    """
    found = [*_folders(places, drop)]
    for server in servers:
        found += _databases(server, drop)
    looked = (*map(str, places), *(server.label for server in servers))
    return Outcome(name="", findings=(), evidence=(), result=Tidying(places=looked, left=tuple(found)))


def _folders(places: Sequence[Path], drop: bool) -> Iterator[Left]:
    for item in leftovers(list(dict.fromkeys(place.resolve() for place in places))):
        dropped = drop and not item.in_use
        if dropped:
            drop_leftover(item)
        yield Left(
            kind="private server", location=str(item.folder), engine=item.engine, bytes=item.bytes,
            running=item.running, in_use=item.in_use, dropped=dropped,
        )  # fmt: skip


def _databases(server: Address, drop: bool) -> Iterator[Left]:
    for item in marked_databases(server):
        dropped = drop and not item.in_use and item.signed
        if dropped:
            drop_marked(server, item.name)
        yield Left(
            kind=item.kind, location=replace(server, database=item.name).label, engine=server.engine.value,
            bytes=item.bytes, backup=item.backup, made_at=item.made_at, running=True, in_use=item.in_use,
            signed=item.signed, dropped=dropped,
        )  # fmt: skip

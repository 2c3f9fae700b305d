"""Finds what killed runs left behind, and kept side copies, and removes them: folders, files, databases."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from pathlib import Path

from sospes.model.findings import Finding
from sospes.model.outcome import Outcome
from sospes.places.own import drop_unfinished, unfinished
from sospes.sides.registry import server_of
from sospes.sides.servers.address import Address
from sospes.sides.servers.marks import Left as LeftOnServer
from sospes.sides.servers.marks import Marked
from sospes.sides.servers.private import drop_leftover, leftovers
from sospes.sides.servers.settling import settled


@dataclass(frozen=True, slots=True, kw_only=True)
class Left:
    """What was left: a private server's folder, a work folder or file, or what a server in use still has.

    in_use   a run still goes on that made it, or somebody is connected to it
    signed   whether this user's own Sospes made it; nothing else is dropped
    backup   what a database was made from, and made_at when
    dropped  whether it is gone now
    """

    kind: str
    location: str
    engine: str | None
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

    Only what carries Sospes's own mark, or the name of its unfinished files, is touched.
    """
    folders = list(dict.fromkeys(place.resolve() for place in places))
    found = [*_folders(folders, drop), *_unfinished(folders, drop)]
    unseen: list[Finding] = []
    for server in servers:
        left = _settled(server) if drop else server_of(server.engine).marked(server)
        found += _on_server(server, left.marked, drop)
        unseen += left.unseen
    looked = (*map(str, folders), *(server.label for server in servers))
    return Outcome(name="", findings=tuple(unseen), evidence=(), result=Tidying(places=looked, left=tuple(found)))


def _folders(places: Sequence[Path], drop: bool) -> Iterator[Left]:
    for item in leftovers(places):
        dropped = drop and not item.in_use
        if dropped:
            drop_leftover(item)
        yield Left(
            kind="private server", location=str(item.folder), engine=item.engine, bytes=item.bytes,
            running=item.running, in_use=item.in_use, dropped=dropped,
        )  # fmt: skip


def _unfinished(places: Sequence[Path], drop: bool) -> Iterator[Left]:
    for item in [item for place in places for item in unfinished(place)]:
        dropped = drop and not item.in_use and item.own
        kind = "temporary folder" if item.path.is_dir() else "partial file"
        if dropped:
            drop_unfinished(item)
        yield Left(
            kind=kind, location=str(item.path), engine=None, bytes=item.bytes, running=False, in_use=item.in_use,
            signed=item.own, dropped=dropped,
        )  # fmt: skip


def _settled(server: Address) -> LeftOnServer:
    """What is left once sessions that have just ended are gone."""
    return settled(
        lambda: server_of(server.engine).marked(server),
        lambda left: any(item.in_use and item.signed for item in left.marked),
    )


def _on_server(server: Address, marked: Sequence[Marked], drop: bool) -> Iterator[Left]:
    for item in marked:
        dropped = drop and not item.in_use and item.signed
        if dropped:
            server_of(server.engine).drop(server, item.name)
        yield Left(
            kind=item.kind, location=replace(server, database=item.name).label, engine=server.engine.value,
            bytes=item.bytes, backup=item.backup, made_at=item.made_at, running=True, in_use=item.in_use,
            signed=item.signed, dropped=dropped,
        )  # fmt: skip

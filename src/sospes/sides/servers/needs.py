"""What a backup needs of a server, found before anything is made there."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from sospes.model.errors import CannotCheck


@dataclass(frozen=True, slots=True, kw_only=True)
class Needs:
    """What a server must have.

    version     the version of the server that the backup is from, as far as it is known
    extensions  names of PostgreSQL extensions that the backup makes, and that the guard lets through
    databases   names of the databases that the backup's statements go into, where it says so
    only        the name of the one database that it is from, where it says no more
    trusted     whether the user said that the backup may run with rights that reach outside of the side copy
    """

    version: tuple[int, ...] = ()
    extensions: tuple[str, ...] = ()
    databases: tuple[str, ...] = ()
    only: str | None = None
    trusted: bool = False


def require(label: str, shortfalls: Sequence[str]) -> None:
    """Raises CannotCheck that names all shortfalls of a server, if there are any."""
    if not shortfalls:
        return
    count = "one thing is" if len(shortfalls) == 1 else f"{len(shortfalls)} things are"
    listed = "; ".join(f"({number}) {text}" for number, text in enumerate(shortfalls, 1))
    raise CannotCheck(
        f"{label}: {count} in the way, so nothing was made there: {listed}",
        "see to that, name another server, or use --side private",
    )


def version_shortfall(server: tuple[int, ...], needs: Needs, name: str) -> list[str]:
    """A newer backup doesn't go into an older server."""
    if not needs.version or server[: len(needs.version)] >= needs.version:
        return []
    return [f"the backup is from {name} {_words(needs.version)}, the server is {_words(server)}, which is older"]


def _words(version: tuple[int, ...]) -> str:
    return ".".join(map(str, version))

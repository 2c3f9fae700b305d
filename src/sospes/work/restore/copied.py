"""A physical copy whose rows come from the private server that it was recovered on."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

from sospes.formats.form import Wants
from sospes.model.findings import Finding
from sospes.model.moments import Reached
from sospes.places.source import Source
from sospes.places.streamed import Streamed
from sospes.sides.registry import open_live, recovery_of
from sospes.sides.servers.address import Address
from sospes.sides.servers.live import LiveDatabase

_FOREVER = 0


@dataclass(frozen=True, slots=True, kw_only=True)
class RecoveredCopy:
    """A backup that was recovered to a moment, and can be asked for its rows as often as is needed.

    findings  what was found on the way
    reached   the moment; None where it was not recovered
    seconds   that it took
    address   of the private server, with the database whose rows are wanted; None where it was not recovered
    """

    path: Path
    findings: tuple[Finding, ...]
    reached: Reached | None
    seconds: float
    address: Address | None

    def script(self, wants: Wants) -> Source | None:
        """What it has as a script, with the rows of the wanted tables; None where it was not recovered."""
        if self.address is None:
            return None
        recovery = recovery_of(self.address.engine)
        return Streamed(str(self.path), _Joined(recovery.script(self.address, self.address.database, wants)))

    def live(self) -> LiveDatabase | None:
        """The rows as a database has them; None where it was not recovered."""
        return open_live(self.address, _FOREVER) if self.address is not None else None


class _Joined:
    """Parts of bytes as a stream."""

    def __init__(self, parts: Iterator[bytes]) -> None:
        self._parts = parts

    def read(self, length: int, /) -> bytes:
        """The next bytes, about as many as asked for; none at the end."""
        found: list[bytes] = []
        have = 0
        for part in self._parts:
            found.append(part)
            have += len(part)
            if have >= length:
                break
        return b"".join(found)

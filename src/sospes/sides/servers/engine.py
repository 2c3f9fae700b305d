"""What differs from one engine's servers to another's, behind one shape."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from pathlib import Path

from sospes.engines.statements import Work
from sospes.sides.servers.address import Address
from sospes.sides.servers.binaries import Binaries, Installed
from sospes.sides.servers.handing import Handing
from sospes.sides.servers.landing import Landing, Pace
from sospes.sides.servers.live import LiveDatabase
from sospes.sides.servers.marks import Left, Naming
from sospes.sides.servers.restoring import EngineRestore, Making


@dataclass(frozen=True, slots=True, kw_only=True)
class ServerEngine:
    """A kind of database server. A new one is one of these, and a line in `sides/registry.py`.

    installed     which programs it is, and where systems put them
    driver_error  what its driver raises of its own
    snapshot      begins a snapshot of a live database; given the seconds after which a query is given up
    apply         runs guarded statements on a live database, all or none
    landing       a live database that tables are put into, at a pace
    private       starts a private server for a restore, from its programs, in a folder
    shared        a restore into new databases of a server in use; nothing is made before the first event
    handing       a side copy, by its address, and a live database of the same server, by its name
    marked        what side copies left on a server in use: databases, roles, accounts
    drop          drops a database, role or account that is ours
    """

    installed: Installed
    driver_error: type[Exception]
    snapshot: Callable[[Address, int], LiveDatabase]
    apply: Callable[[Address, Work], None]
    landing: Callable[[Address, Pace], Landing]
    private: Callable[[Binaries, Path | None, Making], EngineRestore]
    shared: Callable[[Address, Naming, Making], EngineRestore]
    handing: Callable[[Address, str], Handing]
    marked: Callable[[Address], Left]
    drop: Callable[[Address, str], None]

"""Whose backup it is: what the bytes say of engine, system, server and database, and which backups belong together.

Names come first. Where two servers have a database of the same name, the tables tell: backups of one database have most
of their tables in common. Where the bytes name no database at all, the folder has to do, and the tables: a dump without
a name can't be told from another database's of the same make in the same folder.
"""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass, field
from pathlib import PurePath

from sospes.model.findings import some

LIKE = 0.6
"""Backups without a name are of one database if the smaller one shares so much of its tables with the other."""

UNLIKE = 0.1
"""Backups of one name are of two databases if they share less than that."""

FEW = 3
"""Of so few tables nothing is inferred against a name."""

_PERIODS = frozenset("hourly daily weekly monthly yearly annual hour day week month year".split())
_COUNTED = re.compile(r"[\dTZ_.:+-]*\d[\dTZ_.:+-]*")


def folder_of(path: PurePath) -> str:
    """The folder of a file, with * for what is named after a day, a number, or how often it is made."""
    parts = path.parent.parts
    return str(PurePath(*("*" if part in _PERIODS or _COUNTED.fullmatch(part) else part for part in parts)))


_HERE = frozenset({"", "localhost", "127.0.0.1", "::1"})


@dataclass(frozen=True, slots=True, kw_only=True)
class Origin:
    """What a backup's bytes say of where it comes from. Unknown is None, or empty.

    system     tells its server from all others, where its form keeps that
    server     the host that its server was reached at
    whole      it is of all databases of its server
    tables     the labels of tables that it is seen to define, which need not be all
    folder     where it lies, without what changes from night to night; it counts where nothing else is said
    """

    engine: str | None
    system: str | None = None
    server: str | None = None
    databases: tuple[str, ...] = ()
    whole: bool = False
    tables: frozenset[str] = frozenset()
    folder: str = ""

    @property
    def base(self) -> str:
        """Engine, and the names that the bytes give; alike for all backups of one lineage."""
        engine = self.engine or "unknown engine"
        if self.system:
            return f"{engine} system {self.system}"
        at = "" if (self.server or "") in _HERE else f" at {self.server}"
        if self.whole:
            return f"{engine} whole server{at}"
        if self.databases:
            return f"{engine} {self.databases[0]}{at}"
        return f"{engine} in {self.folder}" if self.folder else engine

    @property
    def named(self) -> bool:
        """Whether its bytes say whose backup it is."""
        return bool(self.system or self.whole or self.databases)


@dataclass(slots=True)
class Lineages:
    """Lineages by their identifiers, each with its base and the tables of its latest backup."""

    known: dict[str, tuple[str, frozenset[str]]] = field(default_factory=dict)

    def of(self, origin: Origin) -> str:
        """The lineage that a backup belongs to; a new one where none fits. Backups are best given in time order."""
        fits = [name for name, (base, tables) in self.known.items() if base == origin.base and _fits(origin, tables)]
        name = max(fits, key=lambda name: _share(origin.tables, self.known[name][1])) if fits else self._new(origin)
        self.known[name] = (origin.base, origin.tables or self.known.get(name, ("", frozenset()))[1])
        return name

    def _new(self, origin: Origin) -> str:
        """A name for a lineage that begins: by its tables where its base is taken, or says nothing."""
        if (origin.named or origin.folder) and origin.base not in self.known:
            return origin.base
        tables = sorted(origin.tables)
        name = f"{origin.base} with {some(tables, 3)}" if tables else f"{origin.base} without a name"
        number = 2
        while name in self.known:
            name = f"{name.removesuffix(f' ({number - 1})')} ({number})"
            number += 1
        return name


def _fits(origin: Origin, tables: frozenset[str]) -> bool:
    if origin.system:
        return True
    if not origin.named:
        return not (origin.tables or tables) or _share(origin.tables, tables) >= LIKE
    return min(len(origin.tables), len(tables)) < FEW or _share(origin.tables, tables) >= UNLIKE


def _share(one: Iterable[str], other: Iterable[str]) -> float:
    """How much of the smaller set is in the other one; 0 where one is empty."""
    left, right = set(one), set(other)
    return len(left & right) / min(len(left), len(right)) if left and right else 0.0

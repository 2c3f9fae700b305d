"""Physical copies and logs in some places, for planning restores: the door to them for jobs, which know no forms."""

from __future__ import annotations

from dataclasses import dataclass, field
from pathlib import Path

from sospes.formats.base.chain import Parts, glanced, logs_inside, logs_of
from sospes.formats.base.names import Names
from sospes.formats.base.opening import members_of
from sospes.formats.base.planning import Planning
from sospes.formats.wal.files import Logs


@dataclass(frozen=True, slots=True)
class Cluster:
    """Base backups of one cluster, and the logs that may follow them."""

    lineage: str
    databases: frozenset[str]
    planning: Planning


@dataclass(slots=True)
class Physicals:
    """Base backups and logs, as they are found one by one."""

    parts: Parts = field(default_factory=lambda: Parts(logs=Logs()))

    def take_folder(self, folder: Path) -> bool:
        """Take in a folder; whether it is a base backup."""
        members = members_of(folder)
        if members is None:
            return False
        self.parts.backups.append((folder, glanced(members)))
        assert self.parts.logs is not None
        self.parts.logs.add_all(logs_inside(logs_of(folder)))
        return True

    def take_file(self, path: Path) -> bool:
        """Take in a file; whether it is of a log."""
        assert self.parts.logs is not None
        others = len(self.parts.logs.others)
        self.parts.logs.add(str(path))
        return len(self.parts.logs.others) == others

    def clusters(self) -> list[Cluster]:
        """The clusters that there are base backups of; logs alone restore nothing."""
        by_system: dict[int | None, list[frozenset[str]]] = {}
        for _, read in self.parts.backups:
            by_system.setdefault(read.system, []).append(frozenset(Names(read).databases.values()))
        known = [system for system in by_system if system is not None]
        if None in by_system and len(known) == 1:  # tars without a manifest don't say it at their beginning
            by_system[known[0]] += by_system.pop(None)
        return [
            Cluster(
                f"postgresql system {system}" if system is not None else "postgresql cluster without a name",
                frozenset().union(*names),
                Planning(self.parts, system),
            )
            for system, names in by_system.items()
        ]

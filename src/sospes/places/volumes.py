"""Where a copy lies: on which machine, and on which volume of it."""

from __future__ import annotations

from dataclasses import dataclass, field
from pathlib import Path

from sospes.places.writing import machine

_REMOTE = frozenset({"nfs", "nfs4", "cifs", "smb3", "smbfs", "sshfs", "fuse.sshfs"})
"""File systems whose bytes lie on another machine, which their device names."""


@dataclass(frozen=True, slots=True)
class Volume:
    """A file system: the machine that holds it, where it is mounted here, and what it is made of."""

    host: str
    mount: str
    device: str

    @property
    def label(self) -> str:
        """As people say it."""
        return f"{self.mount} of {self.host}"


@dataclass(slots=True)
class Volumes:
    """The file systems of this machine; each device is looked up once."""

    known: dict[int, Volume] = field(default_factory=dict)

    def of(self, path: Path) -> Volume:
        """The volume that a file lies on. Raises OSError for what isn't there."""
        number = path.stat().st_dev
        if number not in self.known:
            self.known[number] = _volume(path.resolve())
        return self.known[number]


def _volume(path: Path) -> Volume:
    import psutil

    mounted = {Path(part.mountpoint): part for part in psutil.disk_partitions(all=True)}
    place = path if path.is_dir() else path.parent
    while place not in mounted and place != place.parent:
        place = place.parent
    found = mounted.get(place)
    if found is None:
        return Volume(machine(), str(place), "unknown")
    remote = found.fstype in _REMOTE
    host = found.device.removeprefix("//").partition("/" if found.device.startswith("//") else ":")[0]
    return Volume(host.rpartition("@")[2] if remote else machine(), found.mountpoint, found.device)

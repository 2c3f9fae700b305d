"""The manifest of a base backup: every file with size and checksum, the log that it needs, and a digest of itself.

Source: PostgreSQL documentation, "Backup Manifest Format", versions 1 and 2.
"""

from __future__ import annotations

import hashlib
import json
import re
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, Protocol

from sospes.model.moments import offset_of

PATH = "backup_manifest"
_OWN_DIGEST = re.compile(rb'\n"Manifest-Checksum": "([0-9a-f]*)"\s*\}\s*\Z')


class Sum(Protocol):
    """A checksum that takes bytes in."""

    def update(self, data: bytes, /) -> object:
        """Take in some bytes."""
        ...

    def hexdigest(self) -> str:
        """The checksum, as manifests write it."""
        ...


class _Crc:
    """CRC-32C, written as the four bytes stand in memory."""

    def __init__(self) -> None:
        self._value = 0

    def update(self, data: bytes) -> None:
        import crc32c

        self._value = crc32c.crc32c(data, self._value)

    def hexdigest(self) -> str:
        return self._value.to_bytes(4, "little").hex()


SUMS: dict[str, Callable[[], Sum]] = {
    "CRC32C": _Crc, "SHA224": hashlib.sha224, "SHA256": hashlib.sha256, "SHA384": hashlib.sha384,
    "SHA512": hashlib.sha512,
}  # fmt: skip
"""The algorithms that the server writes."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Listed:
    """A file as the manifest has it. `algorithm` is empty where it has no checksum."""

    path: str
    size: int
    algorithm: str
    checksum: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Range:
    """A stretch of the log that the backup needs, in bytes from its beginning, half open."""

    timeline: int
    start: int
    end: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Manifest:
    """What a manifest says.

    intact  whether its own digest holds
    system  the system identifier; None before version 2
    """

    version: int
    files: dict[str, Listed]
    ranges: tuple[Range, ...]
    system: int | None
    intact: bool

    @property
    def total(self) -> int:
        """Bytes of all files that it lists."""
        return sum(listed.size for listed in self.files.values())


class BadManifest(Exception):
    """A manifest that is none, or was cut off; the message says why."""


def read_manifest(data: bytes) -> Manifest:
    """The contents of a manifest. Raises BadManifest."""
    own = _OWN_DIGEST.search(data)
    if own is None:
        raise BadManifest("its last line, a digest of all before it, is missing: it was cut off or edited")
    intact = hashlib.sha256(data[: own.start() + 1]).hexdigest().encode() == own[1]
    try:
        said = json.loads(data)
        version = int(said["PostgreSQL-Backup-Manifest-Version"])
        files = {file.path: file for file in map(_listed, said["Files"])}
        ranges = tuple(
            Range(timeline=int(one["Timeline"]), start=_position(one["Start-LSN"]), end=_position(one["End-LSN"]))
            for one in said["WAL-Ranges"]
        )
        system = said.get("System-Identifier")
    except (ValueError, KeyError, TypeError, AttributeError, RecursionError) as error:
        raise BadManifest(f"it can't be read: {type(error).__name__} {error}") from error
    if len(files) != len(said["Files"]):
        raise BadManifest("it lists a file twice")
    return Manifest(
        version=version, files=files, ranges=ranges, system=None if system is None else int(system), intact=intact
    )


def _listed(file: dict[str, Any]) -> Listed:
    encoded = file.get("Encoded-Path")
    path = file["Path"] if encoded is None else bytes.fromhex(encoded).decode("utf-8", "surrogateescape")
    algorithm = str(file.get("Checksum-Algorithm", ""))
    if algorithm and algorithm not in SUMS:
        raise ValueError(f"checksum {algorithm!r} of {path}")
    return Listed(
        path=str(path), size=int(file["Size"]), algorithm=algorithm, checksum=str(file.get("Checksum", "")).lower()
    )


def _position(text: str) -> int:
    found = offset_of(text)
    if found is None:
        raise ValueError(f"position {text!r}")
    return found

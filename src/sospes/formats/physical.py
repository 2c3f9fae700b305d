"""Physical copies and change logs, told by their bytes; most of them are named so that nobody takes them for nothing.

Source: MariaDB's documentation of its binary log's format description event.
"""

from __future__ import annotations

from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path

from sospes.formats.form import Head
from sospes.formats.wal.segments import VERSIONS, segment_head
from sospes.model.entries import Engine

UNCHECKED = "recognised, and not checked: Sospes can't read this form yet"


@dataclass(frozen=True, slots=True, kw_only=True)
class Physical:
    """What the bytes of a physical copy or a change log say.

    position  where a change log begins: timeline, offset in the log, and its length, in bytes
    reason    why it is not checked; empty for what is
    """

    format: str | None
    engine: Engine
    kind: str
    engine_version: str | None = None
    system: str | None = None
    written_at: str | None = None
    position: tuple[int, int, int] | None = None
    reason: str = UNCHECKED


_BINARY_LOG = b"\xfebin"
_STREAM = b"XBSTCK01"


def physical_folder(folder: Path) -> Physical | None:
    """What a folder is that holds a server's own files; None for any other. Raises OSError where it can't be read."""
    if (folder / "ibdata1").is_file() and any((folder / name).exists() for name in ("mysql", "aria_log_control")):
        return Physical(format=None, engine=Engine.MARIADB, kind="full")
    return None


def physical_file(head: Head) -> Physical | None:
    """What a file is that a server, or its program for physical copies, has written; None for any other."""
    plain = head.plain
    if plain.startswith(_STREAM):
        return Physical(format=None, engine=Engine.MARIADB, kind="full")
    if plain.startswith(_BINARY_LOG):
        return _binary_log(plain)
    if plain[257:262] == b"ustar":
        return _segment(plain[512:])
    return _segment(plain)


def _segment(plain: bytes) -> Physical | None:
    """A segment of PostgreSQL's write-ahead log, by the long header of its first page."""
    head = segment_head(plain)
    if head is None:
        return None
    return Physical(
        format="change-log",
        engine=Engine.POSTGRESQL,
        kind="log",
        system=str(head.system),
        engine_version=VERSIONS.get(head.magic),
        position=(head.timeline, head.start, head.size),
        reason="",
    )


def _binary_log(plain: bytes) -> Physical | None:
    """A binary log, by its format description event."""
    if len(plain) < 4 + 19 + 52 or plain[8] != 15:
        return None
    version = plain[4 + 19 + 2 : 4 + 19 + 52].rstrip(b"\0").decode("ascii", "replace")
    began = datetime.fromtimestamp(int.from_bytes(plain[4:8], "little"), UTC)
    engine = Engine.MARIADB if "MariaDB" in version else Engine.MYSQL
    return Physical(
        format="change-log", engine=engine, engine_version=version, kind="log", written_at=began.isoformat()
    )

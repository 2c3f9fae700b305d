"""The control file of a cluster, `global/pg_control`.

Source: PostgreSQL, src/include/catalog/pg_control.h (structure ControlFileData), versions 12 to 18. Its numbers are in
the byte order of the machine; here that is the little one, which nearly all machines have.
"""

from __future__ import annotations

import struct
from dataclasses import dataclass
from enum import IntEnum

PATH = "global/pg_control"
_SEALED = {1201: 288, 1300: 288, 1700: 288, 1800: 292}
"""Bytes that the checksum covers, by version of the control file; it stands right behind them."""

SERVERS = {1201: ("12",), 1300: ("13", "14", "15", "16"), 1700: ("17",), 1800: ("18",)}
"""Versions of the server by that of the control file."""


class State(IntEnum):
    """What the cluster was doing when the file was last written."""

    STARTING = 0
    SHUT_DOWN = 1
    SHUT_DOWN_IN_RECOVERY = 2
    SHUTTING_DOWN = 3
    CRASH_RECOVERY = 4
    ARCHIVE_RECOVERY = 5
    IN_PRODUCTION = 6


@dataclass(frozen=True, slots=True, kw_only=True)
class Control:
    """What a control file says. Positions are offsets in the log, in bytes; sizes in bytes.

    version      of the control file itself
    catalog      the catalog's version, by which a server knows its own clusters
    checkpoint   where the latest checkpoint's record is, and `redo` where recovery begins from it
    consistent   up to where the log must be applied before the files agree (minimum recovery point); 0 for none
    backup_start   of a restored base backup whose end was not reached yet; 0 for none
    checksums    whether pages have checksums
    connections, workers, senders, prepared, locks  limits that a server must at least have to replay its log
    """

    version: int
    catalog: int
    system: int
    state: State
    checkpoint: int
    redo: int
    timeline: int
    consistent: int
    consistent_timeline: int
    backup_start: int
    backup_end: int
    page_size: int
    segment_pages: int
    log_page_size: int
    log_segment_size: int
    checksums: bool
    connections: int
    workers: int
    senders: int
    prepared: int
    locks: int


def is_intact(data: bytes) -> bool | None:
    """Whether a control file's checksum holds; None for a version that nobody here knows."""
    if len(data) < 300:
        return False
    import crc32c  # which brings a command line's library along

    known = _SEALED.get(int.from_bytes(data[8:12], "little"))
    lengths = _SEALED.values() if known is None else (known,)
    holds = any(
        crc32c.crc32c(data[:length]) == int.from_bytes(data[length : length + 4], "little") for length in lengths
    )
    return None if known is None and not holds else holds


def read_control(data: bytes) -> Control | None:
    """The contents of a control file; None where they can't be those of one."""
    if len(data) < 300:
        return None
    system, version, catalog, state = struct.unpack_from("<QIII", data)
    checkpoint, redo, timeline = struct.unpack_from("<QQI", data, 32)
    consistent, consistent_timeline = struct.unpack_from("<QI", data, 136)
    backup_start, backup_end = struct.unpack_from("<QQ", data, 152)
    connections, workers, senders, prepared, locks = struct.unpack_from("<iiiii", data, 180)
    page_size, segment_pages, log_page_size, log_segment_size = struct.unpack_from("<IIII", data, 216)
    if state not in set(State) or page_size & (page_size - 1) or not 1024 <= page_size <= 32768:
        return None
    return Control(
        version=version, catalog=catalog, system=system, state=State(state), checkpoint=checkpoint, redo=redo,
        timeline=timeline, consistent=consistent, consistent_timeline=consistent_timeline, backup_start=backup_start,
        backup_end=backup_end, page_size=page_size, segment_pages=segment_pages, log_page_size=log_page_size,
        log_segment_size=log_segment_size, checksums=struct.unpack_from("<I", data, 252)[0] > 0,
        connections=connections, workers=workers, senders=senders, prepared=prepared, locks=locks,
    )  # fmt: skip

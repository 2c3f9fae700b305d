"""Whether the engine takes in all that a write-ahead log holds: it stops without a word at the first broken frame.

Source: SQLite documentation, "WAL-mode File Format".
"""

from __future__ import annotations

import sqlite3
import struct
from collections.abc import Iterator
from contextlib import closing
from pathlib import Path

from sospes.model.findings import Finding, doubt, fault

_HEADER = 32
_FRAME_HEADER = 24
_MAGIC = {0x377F0682: "<", 0x377F0683: ">"}
"""The magic number, and the byte order of the words that checksums are made of."""


def log_missing(path: Path) -> Iterator[Finding]:
    """A doubt where the header says that the database is kept with a log, and none lies beside it."""
    with path.open("rb") as file:
        header = file.read(100)
    if header[18:20] == b"\2\2" and not Path(f"{path}-wal").exists():
        yield doubt(
            "log-missing",
            "the database is kept with a write-ahead log, and none lies beside the file: what was in it is lost",
            f"copy {path.name}-wal together with it; if the last user had closed the database, there was none, and all "
            "is well",
        )


def log_findings(log: Path, database: Path) -> Iterator[Finding]:
    """What the engine leaves out of a log that was copied beside a copy of its database."""
    size = log.stat().st_size
    with log.open("rb") as file:
        header = file.read(_HEADER)
    problem = _header_problem(header)
    if problem:
        if size > _HEADER:
            yield fault(
                "log-damaged",
                f"the write-ahead log is passed over by the engine: {problem}",
                "what was committed to it is lost: copy the database and its log again",
            )
        return
    page_size = struct.unpack_from(">I", header, 8)[0]
    commits = _commits(log, header[16:24], page_size)
    taken = _taken(database)
    lost = [number for number in commits if number > taken]
    if lost:
        yield (fault if len(lost) > 1 else doubt)(
            "log-damaged",
            f"the write-ahead log holds {len(lost):,} commits that the engine leaves out: page {taken + 1:,} of the "
            "log, or one behind it, is broken",
            "what was committed there is lost: copy the database and its log again"
            if len(lost) > 1
            else "if the machine broke down while it was written, it was never committed; else it is lost: copy again",
        )


def _header_problem(header: bytes) -> str:
    if len(header) < _HEADER:
        return "its header is cut off"
    order = _MAGIC.get(struct.unpack_from(">I", header)[0])
    if order is None:
        return "it does not begin like one"
    one = other = 0
    for first, second in struct.iter_unpack(f"{order}II", header[:24]):
        one = (one + first + other) & 0xFFFFFFFF
        other = (other + second + one) & 0xFFFFFFFF
    return "" if struct.unpack_from(">II", header, 24) == (one, other) else "the checksum of its header is wrong"


def _commits(log: Path, salts: bytes, page_size: int) -> list[int]:
    """The numbers, from 1, of the frames that end a transaction; frames of an earlier log have other salts."""
    found = []
    number = 0
    with log.open("rb") as file:
        file.seek(_HEADER)
        while len(frame := file.read(_FRAME_HEADER)) == _FRAME_HEADER:
            number += 1
            if frame[8:16] == salts and frame[4:8] != b"\0\0\0\0":
                found.append(number)
            file.seek(page_size, 1)
    return found


def _taken(database: Path) -> int:
    """How many frames the engine takes in."""
    with closing(sqlite3.connect(database)) as connection:
        row = connection.execute("PRAGMA wal_checkpoint(PASSIVE)").fetchone()
    return max(int(row[1]), 0) if row else 0

"""Nights of backups: the same database, written night by night, as a job would have left it."""

from __future__ import annotations

import gzip
import os
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta
from pathlib import Path

from tests.backups import numbers, postgresql
from tests.conftest import Run, sospes

NOW = datetime.now(UTC)


def night(rows: int, *, tables: Sequence[str] = ("rescue.call_out",), others: int = 24) -> bytes:
    """A script whose first table has as many rows; `others` are those of the boats beside it."""
    return postgresql(b"".join(numbers(name, rows) for name in tables) + numbers("rescue.boat", others))


def dated(path: Path, days_ago: float) -> Path:
    """The file, as if it had been written some days ago."""
    stamp = (NOW - timedelta(days=days_ago)).timestamp()
    os.utime(path, (stamp, stamp))
    return path


def written(folder: Path, name: str, content: bytes, days_ago: float) -> Path:
    """A new file of some age, packed where its name says so."""
    folder.mkdir(parents=True, exist_ok=True)
    path = folder / name
    path.write_bytes(gzip.compress(content, mtime=0) if name.endswith(".gz") else content)
    return dated(path, days_ago)


def verified_nights(folder: Path, counts: Sequence[int], *words: str, command: str = "verify") -> list[Run]:
    """The runs that prove one backup after the other, the last one of last night."""
    runs = []
    for number, rows in enumerate(counts):
        path = written(folder, f"night-{number:02}.sql", night(rows), len(counts) - number)
        runs.append(sospes(command, path, "--json", *words))
    return runs

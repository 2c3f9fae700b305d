"""A small world of a base backup and the log that follows it, with a mistake in it, and a promotion behind it."""

from __future__ import annotations

import random
import shutil
from dataclasses import dataclass
from pathlib import Path

from tests.servers import PostgresServer, Standby, archive_folder

ARCHIVING = ("archive_mode=on", "wal_level=replica")


@dataclass(frozen=True)
class World:
    """A base backup, the archive of the log that follows it, and what happened when.

    archive   of the first timeline
    promoted  of both timelines, and the second one's history
    """

    backup: Path
    archive: Path
    promoted: Path
    started_at: str
    deleted_at: str
    point: str
    last_lsn: str


def make_world(folder: Path) -> World:
    """Make it in a folder where servers may write: a cluster with segments of 1 MiB, and a standby that is promoted."""
    archive = archive_folder(folder)
    with PostgresServer(None, "--data-checksums", "--wal-segsize=1", settings=ARCHIVING) as server:
        server.archive_into(archive)
        server.run_sql("postgres", "CREATE TABLE boat (id integer PRIMARY KEY, name text)")
        backup = server.base_backup(folder / "base", "-l", "nightly of the pier")
        server.run_sql("postgres", "INSERT INTO boat SELECT n, repeat('boat ', 9) FROM generate_series(1, 9000) n")
        started = server.query("postgres", "SELECT clock_timestamp()").decode().strip()
        server.query("postgres", "SELECT pg_create_restore_point('before the mistake')")
        server.run_sql("postgres", "DELETE FROM boat WHERE id < 4000")
        deleted = server.query("postgres", "SELECT clock_timestamp()").decode().strip()
        server.run_sql("postgres", f"CREATE TABLE notes AS SELECT repeat(md5('{random.Random(1).random()}'), 40000) t")
        last = server.query("postgres", "SELECT pg_current_wal_lsn()").decode().strip()
        server.switch(archive)
        promoted = folder / "promoted"
        promoted.mkdir()
        promoted.chmod(0o777)
        into = f'"archive_command=cp %p {promoted}/%f"'
        with Standby(server, settings=(*ARCHIVING, into)) as standby:
            server.stop()
            standby.control("promote")
            standby.run_sql("postgres", "INSERT INTO boat VALUES (100000, 'Osprey')")
            standby.switch(promoted)
        for path in archive.iterdir():
            shutil.copy(path, promoted)
    return World(backup, archive, promoted, started, deleted, "before the mistake", last)

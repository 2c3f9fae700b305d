"""Makes the demo's base backup and its logs anew: python tools/build_demo_cluster.py [BIN_FOLDER].

A PostgreSQL server of this machine makes them, with a clock that a small library puts back, so that the mistake in them
happens at 09:31. It needs a C compiler.
"""

from __future__ import annotations

import shutil
import struct
import subprocess
import sys
import tempfile
import time
from datetime import UTC, datetime
from pathlib import Path

import zstandard

sys.path.insert(0, str(Path(__file__).parent.parent))

from tests import servers
from tests.servers import PostgresServer

FOLDER = Path(__file__).parent.parent / "src" / "sospes" / "demo" / "cluster"
SETTINGS = ("archive_mode=on", "wal_level=replica", "autovacuum=off", "full_page_writes=off")
DAY = datetime(2026, 11, 25, tzinfo=UTC)
MORNING = [
    ("07:10", "UPDATE rescue.crew SET remark = 'on watch' WHERE id % 5 = 0"),
    ("08:45", "INSERT INTO rescue.kit_check (id, boat_sign, checked_on, passed, note) "
              "SELECT max(id) + 1, 'RS7', '2026-11-25', true, 'flares counted' FROM rescue.kit_check"),
    ("09:31", "DELETE FROM rescue.kit_check WHERE passed"),
    ("09:40", "UPDATE rescue.station SET name = name WHERE false; INSERT INTO rescue.kit_check (id, boat_sign, "
              "checked_on, passed, note) SELECT max(id) + 1, 'RS7', '2026-11-25', false, 'a lamp is out' "
              "FROM rescue.kit_check"),
]  # fmt: skip


def main() -> None:
    """Build the cluster, back it up at night, let the morning happen."""
    with tempfile.TemporaryDirectory() as folder:
        work = Path(folder)
        work.chmod(0o755)
        library, clock = work / "clock.so", work / "clock"
        subprocess.run(["cc", "-shared", "-fPIC", "-o", library, Path(__file__).parent / "clock.c", "-ldl"], check=True)
        clock.write_bytes(bytes(8))
        clock.chmod(0o644)
        usual = servers._environment
        servers._environment = lambda: {**usual(), "LD_PRELOAD": str(library), "DEMO_CLOCK": str(clock)}
        made = work / "made"
        made.mkdir()
        made.chmod(0o777)
        build(made, clock)
        shutil.rmtree(FOLDER, ignore_errors=True)
        (FOLDER / "base").mkdir(parents=True)
        (FOLDER / "logs").mkdir()
        for path in sorted((made / "base").iterdir()):
            pack(path, FOLDER / "base" / path.name)
        begun = next(path.name[:24] for path in (made / "logs").iterdir() if path.suffix == ".backup")
        for path in sorted(path for path in (made / "logs").iterdir() if path.name >= begun):
            pack(path, FOLDER / "logs" / path.name)
    subprocess.run(["du", "-ah", str(FOLDER)], check=True)


def build(made: Path, clock: Path) -> None:
    """Make the backup and the logs, unpacked, in a folder."""

    def at(moment: str) -> None:
        hours, minutes = map(int, moment.split(":"))
        with clock.open("r+b") as file:
            file.write(struct.pack("<q", int(DAY.timestamp()) + 3600 * hours + 60 * minutes - int(time.time())))

    logs = made / "logs"
    logs.mkdir()
    logs.chmod(0o777)
    at("01:00")
    binaries = Path(sys.argv[1]) if len(sys.argv) > 1 else None
    with PostgresServer(binaries, "--data-checksums", "--wal-segsize=1", settings=SETTINGS) as server:
        server.run_sql("postgres", "CREATE DATABASE rescue")
        server.run_sql("rescue", (Path(__file__).parent / "demo.sql").read_text())
        server.query("postgres", "SELECT pg_switch_wal()")
        server.archive_into(logs)
        at("03:00")
        server.base_backup(made / "base", "-F", "t", "-X", "none", "-l", "night of the quay")
        for moment, sql in MORNING:
            at(moment)
            server.run_sql("rescue", sql)
        server.switch(logs)


def pack(source: Path, target: Path) -> None:
    """Pack a file; a manifest has to lie there as it is."""
    if source.suffix == ".tar" or len(source.name) == 24:
        packed = zstandard.ZstdCompressor(
            compression_params=zstandard.ZstdCompressionParameters.from_level(19, enable_ldm=True, window_log=25)
        ).compress(source.read_bytes())
        target.with_name(f"{target.name}.zst").write_bytes(packed)
    else:
        shutil.copyfile(source, target)


if __name__ == "__main__":
    main()

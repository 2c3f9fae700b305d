"""Makes the demo's files anew with a PostgreSQL server of this machine: python tools/build_demo.py [BIN_FOLDER].

The server runs in a temporary folder on a local socket; as root it is started as the user `postgres`.
"""

from __future__ import annotations

import gzip
import subprocess
import sys
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parent.parent))

from tests.servers import PostgresServer

FOLDER = Path(__file__).parent.parent / "src" / "sospes" / "demo"
MISTAKES = """
ALTER TABLE rescue.call_out DISABLE TRIGGER USER;
UPDATE rescue.call_out SET status = 'done';
ALTER TABLE rescue.call_out ENABLE TRIGGER USER;
DELETE FROM rescue.tide_reading WHERE id BETWEEN 4201 AND 4680;
UPDATE rescue.crew SET remark = NULL WHERE remark = '';
"""


def packed(text: bytes) -> bytes:
    """The text as gzip, the same bytes each time."""
    return gzip.compress(text, mtime=0)


def main() -> None:
    """Build the database, dump it, damage copies, make the morning's mistakes, dump again."""
    with PostgresServer(Path(sys.argv[1]) if len(sys.argv) > 1 else None) as server:
        server.run_sql("postgres", "CREATE DATABASE rescue")
        server.run_sql("rescue", (Path(__file__).parent / "demo.sql").read_text())
        night = server.dump("rescue", "--verbose")
        server.run_sql("rescue", MISTAKES)
        morning = server.dump("rescue", "--verbose")
        kit = server.query(
            "rescue",
            "COPY (SELECT id, boat_sign, checked_on, passed, note FROM rescue.kit_check ORDER BY id) "
            "TO STDOUT WITH (FORMAT csv, HEADER)",
        )
    FOLDER.mkdir(exist_ok=True)
    whole = packed(night)
    (FOLDER / "night.sql.gz").write_bytes(whole)
    (FOLDER / "night-cut.sql.gz").write_bytes(whole[: len(whole) * 2 // 3])
    flipped = bytearray(night)
    flipped[night.index(b"\tRS7\t") + 1] ^= 0x5B  # an R becomes a tab's neighbour: the row loses its shape
    flipped[night.index(b"\tRS9\t")] ^= 0x40
    (FOLDER / "night-flipped.sql").write_bytes(bytes(flipped))
    (FOLDER / "live-morning.sql.gz").write_bytes(packed(morning))
    (FOLDER / "kit_check-expected.csv").write_bytes(kit)
    subprocess.run(["ls", "-l", str(FOLDER)], check=True)


if __name__ == "__main__":
    main()

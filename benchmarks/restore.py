"""Restoring against the server's own client, as ratios: python -m benchmarks.restore [--rows N] [--repeat N].

Four tables of one size with keys, indexes and references. The client feeds the script on one connection to a private
server with the very settings that a rehearsal has. Needs PostgreSQL server binaries and its client.
"""

from __future__ import annotations

import json
import os
import shutil
import subprocess
import time
from functools import partial
from pathlib import Path

from tests.servers import PostgresServer, postgres_folders

from benchmarks.speed import PROGRAM, Spent, measured, ratio
from sospes.model.entries import Engine
from sospes.sides.postgresql.private import PrivatePostgresql
from sospes.sides.registry import server_of
from sospes.sides.servers.binaries import find_binaries

TABLES = ("reading", "call_out", "kit_check", "log_line")
DEFINITION = """
CREATE TABLE {0} (id bigint PRIMARY KEY, station_id integer NOT NULL REFERENCES station, taken_at timestamptz NOT NULL,
  height numeric(8,3), quality text, note text);
INSERT INTO {0} SELECT n, n % 200 + 1, '2026-01-01 00:00Z'::timestamptz + n * interval '37 seconds',
  (n::bigint * 7919 % 9000) / 1000.0, (ARRAY['good', 'fair', 'poor', NULL])[n % 4 + 1],
  CASE n % 3 WHEN 0 THEN NULL WHEN 1 THEN 'calm' ELSE 'swell from the north-west, gauge cleaned ' || n END
FROM generate_series(1, {1}) n;
CREATE INDEX ON {0} (taken_at); CREATE INDEX ON {0} (station_id);
"""


def make_backups(folder: Path, rows: int) -> None:
    """The same tables as a script and as an archive."""
    with PostgresServer() as server:
        server.run_sql("postgres", "CREATE DATABASE night")
        stations = "INSERT INTO station SELECT n, 'station ' || n FROM generate_series(1, 200) n"
        server.run_sql("night", f"CREATE TABLE station (id integer PRIMARY KEY, name text); {stations}")
        for table in TABLES:
            server.run_sql("night", DEFINITION.format(table, rows))
        for name, options in (("night.sql", []), ("night.dump", ["-Fc"])):
            server.dump("night", "-f", str(server.folder / name), *options)
            shutil.move(server.folder / name, folder / name)


def by_client(script: Path) -> Spent:
    """The client that feeds the script to a private server."""
    server = PrivatePostgresql(find_binaries(server_of(Engine.POSTGRESQL).installed, (), None), None).started()
    try:
        address = server.address("postgres")
        environment = {**os.environ, "PGPASSWORD": server.password}
        client = [str(postgres_folders()[0] / "psql"), "-X", "-q", "-h", str(server.folder), "-U", str(address.user)]
        subprocess.run([*client, "-c", "CREATE DATABASE side", "postgres"], env=environment, check=True)
        begin = time.perf_counter()
        command = [*client, "-f", str(script), "-o", os.devnull, "side"]
        subprocess.run(command, env=environment, check=True, capture_output=True)
        return Spent(time.perf_counter() - begin, 0)
    finally:
        server.remove()


def by_us(backup: Path, workers: int) -> Spent:
    """The restoring step of a rehearsal, by its own account."""
    command = [*PROGRAM, "rehearse", "--side", "private", "--workers", str(workers), str(backup), "--json"]
    done = subprocess.run(command, capture_output=True, check=True)
    steps = json.loads(done.stdout)["result"]["steps"]
    return Spent(next(float(step["seconds"]) for step in steps if step["name"] == "read and restore"), 0)


def measure(folder: Path, repeat: int) -> None:
    """An archive with two workers and with one, and a script."""
    client = partial(by_client, folder / "night.sql")
    for form, workers, most in (("night.dump", 2, 0.75), ("night.dump", 1, None), ("night.sql", 2, 0.75)):
        what = f"restore of {form}, {workers} workers, against the client"
        ratio(what, most, repeat, partial(by_us, folder / form, workers), client)


if __name__ == "__main__":
    measured(__doc__, measure, make_backups, ("rows", 1_200_000, "rows of each table"))

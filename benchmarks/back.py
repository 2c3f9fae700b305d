"""Putting back, as ratios: python -m benchmarks.back [--rows N] [--repeat N].

Mass damage set back by a mend's script, beside the mass update that did it; and a table that comes back whole, beside
the server's client that is fed with the same dump. Needs the servers of PostgreSQL and MariaDB, and their clients.
"""

from __future__ import annotations

import argparse
import json
import statistics
import subprocess
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

from tests.servers import MariadbServer, PostgresServer

from benchmarks.speed import PROGRAM

MISTAKE = "UPDATE t SET name = concat(name, ' changed'), amount = amount + 1"
POSTGRESQL = """CREATE TABLE t (id int PRIMARY KEY, name text, amount numeric(12,2), at timestamptz);
INSERT INTO t SELECT g, 'name ' || g, g / 7.0, '2026-01-01'::timestamptz + g * interval '1 min'
FROM generate_series(1, {rows}) g;
CREATE INDEX t_name ON t (name);"""
MARIADB = """CREATE TABLE t (id int PRIMARY KEY, name varchar(60), amount decimal(12,2), at timestamp NULL, KEY (name));
INSERT INTO t SELECT seq, concat('name ', seq), seq / 7.0, '2026-01-01' + interval seq minute FROM seq_1_to_{rows};"""
Feed = Callable[[str | bytes], bytes]


def main() -> None:
    """Both engines, one after the other; one line of JSON for each ratio."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--rows", type=int, default=100_000)
    parser.add_argument("--repeat", type=int, default=3)
    args = parser.parse_args()
    with PostgresServer() as server, tempfile.TemporaryDirectory() as name:
        server.run_sql("postgres", "CREATE DATABASE mass")
        server.run_sql("mass", POSTGRESQL.format(rows=args.rows))
        night = Path(name) / "night.sql"
        night.write_bytes(server.dump("mass"))
        address = server.address("mass")
        _measure("PostgreSQL", night, address, lambda sql: server.run_sql("mass", sql), args)
    with MariadbServer() as maria, tempfile.TemporaryDirectory() as name:
        maria.run_sql("", "CREATE DATABASE mass CHARACTER SET utf8mb4")
        maria.run_sql("mass", MARIADB.format(rows=args.rows))
        night = Path(name) / "night.sql"
        night.write_bytes(maria.dump("mass"))
        address = maria.address("mass")
        _measure("MariaDB", night, address, lambda sql: maria.run_sql("mass", sql), args)


def _measure(engine: str, night: Path, address: str, feed: Feed, args: argparse.Namespace) -> None:
    mended, back = [], []
    for number in range(args.repeat):
        begin = time.perf_counter()
        feed(MISTAKE)
        mistake = time.perf_counter() - begin
        mended.append(_fed(night, address, feed, night.with_name(f"fix{number}.sql")) / mistake)
        feed("DROP TABLE t")
        begin = time.perf_counter()
        feed(night.read_bytes())
        client = time.perf_counter() - begin
        feed("DROP TABLE t")
        begin = time.perf_counter()
        words = ["extract", str(night), "t", "--into", address, "--confirm", "mass", "--quiet"]
        subprocess.run([*PROGRAM, *words], check=True)
        back.append((time.perf_counter() - begin) / client)
    for what, found, aim in (
        ("a mend's statements against the mass update", mended, 3.0), ("a table back against the client", back, None),
    ):  # fmt: skip
        spread = [round(min(found), 2), round(statistics.median(found), 2), round(max(found), 2)]
        print(json.dumps({"engine": engine, "what": what, "rows": args.rows, "ratio": spread, "aim": aim}))


def _fed(night: Path, address: str, feed: Feed, out: Path) -> float:
    """Mend, and give the seconds that its script takes on live."""
    subprocess.run([*PROGRAM, "mend", str(night), address, "--out", str(out), "--quiet"], check=True)
    begin = time.perf_counter()
    feed(out.read_bytes())
    taken = time.perf_counter() - begin
    # a fast wrong answer is no result
    subprocess.run([*PROGRAM, "compare", str(night), address, "--rows-only", "--quiet"], check=True)
    return taken


if __name__ == "__main__":
    main()

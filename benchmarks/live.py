"""Comparing with a live database, and dumps that differ, as ratios: python -m benchmarks.live [--mib N] [--repeat N].

Loads the tide readings into a server of the tests, dumps them, and compares the dump with the server and with a dump of
a later day. Needs PostgreSQL server binaries and its client, sort and comm.
"""

from __future__ import annotations

import shutil
import subprocess
from collections.abc import Callable
from pathlib import Path

from tests.servers import PostgresServer

from benchmarks.speed import PROGRAM, Spent, measured, ratio, run

LATER = """
DELETE FROM reading WHERE id % 21400 = 7;
UPDATE reading SET quality = 'poor' WHERE id % 85600 = 9;
"""


def measure(folder: Path, repeat: int) -> None:
    """The same rows, then rows that differ; beside reading the table and the dump, and beside sort and comm."""
    with PostgresServer() as server:
        server.run_sql("postgres", "CREATE DATABASE tide")
        client = ["psql", "-h", str(server.folder), "-U", "postgres", "-qX", "tide"]
        subprocess.run([*client, "-f", str(folder / "night.sql")], check=True, stdout=subprocess.DEVNULL)
        server.query("tide", "VACUUM ANALYZE")
        dump, later = (_dumped(server, folder / name) for name in ("live.sql", "later.sql"))
        live = server.address("tide")
        copy = [*client, "-c", "COPY public.reading TO STDOUT"]

        def both() -> Spent:
            spent = [run(copy), run([*PROGRAM, "verify", str(dump)])]
            return Spent(sum(one.seconds for one in spent), 0)

        ratio("compare with live, the same, against COPY and verify", 1.5, repeat, _ours(0, dump, live), both)
        server.run_sql("tide", LATER)
        ratio("compare with live, 300 rows differ, against COPY and verify", 1.5, repeat, _ours(3, dump, live), both)
        _dumped(server, later)
    tables = [_rows_only(path) for path in (dump, later)]
    script = f"export LC_ALL=C TMPDIR={folder}; " + "; ".join(f"sort {table} > {table}.sorted" for table in tables)
    script += f"; comm -3 {tables[0]}.sorted {tables[1]}.sorted"

    def sorting() -> Spent:
        return run(["sh", "-c", script])

    ratio("compare of two dumps, 300 rows differ, against sort and comm", 0.6, repeat, _ours(1, dump, later), sorting)
    subprocess.run(["gzip", "-k", str(later)], check=True)
    packed = later.with_suffix(".sql.gz")
    ratio("the same, one of them packed", 0.6, repeat, _ours(1, dump, packed), sorting)


def _ours(expected: int, left: Path, right: Path | str) -> Callable[[], Spent]:
    return lambda: run([*PROGRAM, "compare", "--rows-only", str(left), str(right)], expected)


def _dumped(server: PostgresServer, path: Path) -> Path:
    server.dump("tide", "-f", str(server.folder / path.name))
    return Path(shutil.move(server.folder / path.name, path))


def _rows_only(dump: Path) -> Path:
    """The rows of the readings, as a table of text."""
    table = dump.with_suffix(".tsv")
    with table.open("wb") as out:
        subprocess.run(["sed", "-n", r"/^COPY public.reading /,/^\\\.$/{/^[0-9]/p}", str(dump)], stdout=out, check=True)
    return table


if __name__ == "__main__":
    measured(__doc__, measure)

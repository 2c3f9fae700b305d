"""Speed on PostgreSQL archives, as ratios in one run: python -m benchmarks.archives [--mib N] [--repeat N].

Needs PostgreSQL server binaries and gzip: a throw-away server makes the archives.
"""

from __future__ import annotations

import json
import shutil
import statistics
from collections.abc import Callable
from functools import partial
from pathlib import Path

from tests.servers import PostgresServer

from benchmarks.speed import HEAD, PROGRAM, Spent, make_inputs, measured, ratio, run


def make_archives(folder: Path, mib: int) -> None:
    """The dump of the speed benchmark, and the same rows as archives, packed and not."""
    make_inputs(folder, mib)
    definitions = HEAD[: HEAD.index(b"COPY ")].replace(b"SELECT pg_catalog.set_config('search_path', '', false);", b"")
    with PostgresServer() as server:
        server.run_sql("postgres", "CREATE DATABASE night")
        server.run_sql("night", definitions)
        rows = server.folder / "rows.tsv"
        shutil.copyfile(folder / "rows.tsv", rows)
        rows.chmod(0o644)
        server.run_sql("night", f"COPY public.reading FROM '{rows}'; INSERT INTO public.station VALUES (1, 'Skarholm')")
        for name, options in (("night.dump", []), ("plain.dump", ["-Z0"])):
            server.dump("night", "-Fc", "-f", str(server.folder / name), *options)
            shutil.move(server.folder / name, folder / name)


def measure(folder: Path, repeat: int) -> None:
    """All measures, one after the other."""
    packed, plain, script = (str(folder / part) for part in ("night.dump", "plain.dump", "night.sql.gz"))

    def verified(archive: str) -> Callable[[], Spent]:
        return lambda: run([*PROGRAM, "verify", archive])

    test = partial(run, ["gzip", "-t", script])
    ratio("verify archive against gzip -t of the script", 0.6, repeat, verified(packed), test)
    ratio("verify unpacked archive against packed", 2.0, repeat, verified(plain), verified(packed))
    jobs = {"inspect": ["inspect", packed], "extract a small table": ["extract", packed, "station"]}
    for what, words in jobs.items():
        spent = [run([*PROGRAM, *words]) for _ in range(repeat)]
        seconds = statistics.median(one.seconds for one in spent)
        print(json.dumps({"measure": what, "seconds": round(seconds, 2), "at_most": 0.5}))


if __name__ == "__main__":
    measured(__doc__, measure, make_archives)

"""Speed and memory as ratios to general tools, measured in one run: python -m benchmarks.speed [--mib N] [--repeat N].

Prints one line of JSON for each measure: the ratio's median, lowest and highest, the figure that is aimed at, and the
peak memory of the program. Needs gzip, sed and the SQLite shell; a measure whose tool is missing is left out and said.
"""

from __future__ import annotations

import argparse
import json
import os
import platform
import shutil
import statistics
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from pathlib import Path

PROGRAM = [sys.executable, "-m", "sospes"]
ROWS_AT_ONCE = 20_000
HEAD = b"""--
-- PostgreSQL database dump
--

-- Dumped from database version 15.6
-- Dumped by pg_dump version 15.6

SET client_encoding = 'UTF8';
SET standard_conforming_strings = on;
SELECT pg_catalog.set_config('search_path', '', false);

CREATE TABLE public.reading (
    id bigint NOT NULL,
    station_id integer NOT NULL,
    taken_at timestamp with time zone NOT NULL,
    height numeric(8,3),
    quality text,
    note text
);

CREATE TABLE public.station (
    id integer NOT NULL,
    name text NOT NULL
);

COPY public.reading (id, station_id, taken_at, height, quality, note) FROM stdin;
"""
TAIL = b"""
ALTER TABLE ONLY public.reading
    ADD CONSTRAINT reading_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.station
    ADD CONSTRAINT station_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.reading
    ADD CONSTRAINT reading_station_id_fkey FOREIGN KEY (station_id) REFERENCES public.station(id);

--
-- PostgreSQL database dump complete
--

"""
NOTES = (b"\\N", b"calm", b"swell from the north-west, gauge cleaned", b"checked by hand\\tsecond look",
         "Skårholm pier".encode(), b"storm; see log")  # fmt: skip
QUALITIES = (b"good", b"fair", b"poor", b"\\N")


@dataclass(frozen=True)
class Spent:
    """What a command took: seconds, and its peak memory in MiB."""

    seconds: float
    mib: float


def run(command: Sequence[str], expected: int = 0) -> Spent:
    """Run a command with its output thrown away; a wrong exit code ends the benchmark."""
    begin = time.perf_counter()
    child = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
    _, status, usage = os.wait4(child.pid, 0)
    took = time.perf_counter() - begin
    code = os.waitstatus_to_exitcode(status)
    assert code == expected, f"{command} ended with {code}: a fast wrong answer is no result"
    return Spent(took, usage.ru_maxrss / 1024)


def reading_rows(mib: int) -> Iterator[bytes]:
    """Rows of tide readings as COPY text, `mib` MiB of them."""
    size = number = 0
    while size < mib << 20:
        rows = []
        for _ in range(ROWS_AT_ONCE):
            number += 1
            when = b"2026-%02d-%02d %02d:%02d:%02d.%06d+00" % (
                1 + number % 12, 1 + number % 28, number % 24, number % 60, number * 7 % 60, number * 7919 % 1000000,
            )  # fmt: skip
            cells = (b"%d" % number, b"%d" % (number % 211), when, b"%d.%03d" % (number % 9, number * 31 % 1000),
                     QUALITIES[number & 3], NOTES[number * 7 % 6])  # fmt: skip
            rows.append(b"\t".join(cells) + b"\n")
        block = b"".join(rows)
        size += len(block)
        yield block


def make_inputs(folder: Path, mib: int) -> None:
    """A plain dump, the same as gzip, and the large table's rows as tab-separated text."""
    with (folder / "night.sql").open("wb") as dump, (folder / "rows.tsv").open("wb") as table:
        dump.write(HEAD)
        for block in reading_rows(mib):
            dump.write(block)
            table.write(block)
        dump.write(b"\\.\n\n\nCOPY public.station (id, name) FROM stdin;\n")
        dump.writelines(b"%d\tstation %d\n" % (number, number) for number in range(211))
        dump.write(b"\\.\n\n" + TAIL)
    subprocess.run(["gzip", "-k", str(folder / "night.sql")], check=True)


def ratio(name: str, aim: float | None, repeat: int, ours: Callable[[], Spent], theirs: Callable[[], Spent]) -> None:
    """Print how long ours takes beside theirs, measured in turn."""
    pairs = [(ours(), theirs()) for _ in range(repeat)]
    ratios = [one.seconds / other.seconds for one, other in pairs]
    print(
        json.dumps(
            {
                "measure": name,
                "ratio": round(statistics.median(ratios), 3),
                "lowest": round(min(ratios), 3),
                "highest": round(max(ratios), 3),
                "at_most": aim,
                "seconds": round(statistics.median(one.seconds for one, _ in pairs), 2),
                "peak_mib": round(max(one.mib for one, _ in pairs)),
            }
        ),
        flush=True,
    )


def measure(folder: Path, repeat: int) -> None:
    """All measures, one after the other."""
    plain, packed, database = str(folder / "night.sql"), str(folder / "night.sql.gz"), folder / "shell.sqlite"
    sed = ["sed", "-n", r"/^COPY public.station /,/^\\\.$/p", plain]

    def shell_import() -> Spent:
        database.unlink(missing_ok=True)
        columns = "id INTEGER, station_id INTEGER, taken_at TEXT, height TEXT, quality TEXT, note TEXT"
        script = [f"CREATE TABLE reading ({columns}) STRICT;", ".mode tabs", f".import {folder / 'rows.tsv'} reading"]
        return run(["sqlite3", str(database), *script])

    def sospes(*words: str) -> Callable[[], Spent]:
        return lambda: run([*PROGRAM, *words, "--work-folder", str(folder)])

    ratio("verify gzip against gzip -t", 1.0, repeat, sospes("verify", packed), lambda: run(["gzip", "-t", packed]))
    ratio("verify plain against gzip -t", 1.0, repeat, sospes("verify", plain), lambda: run(["gzip", "-t", packed]))
    ratio("extract small table, plain, against sed", 1.5, repeat, sospes("extract", plain, "station"), lambda: run(sed))
    if shutil.which("sqlite3"):
        ratio("rehearse against the shell's import", 2.0, repeat, sospes("rehearse", plain), shell_import)
    else:
        print(json.dumps({"measure": "rehearse against the shell's import", "left_out": "no sqlite3 on this machine"}))
    for name, command in {
        "compare with itself": ["compare", plain, plain],
        "extract large table as CSV": [
            "extract",
            plain,
            "reading",
            "--as",
            "csv",
            "--out",
            str(folder / "out.csv"),
            "--overwrite",
        ],
        "inspect gzip": ["inspect", packed],
    }.items():
        spent = run([*PROGRAM, *command, "--work-folder", str(folder)])
        print(
            json.dumps(
                {"measure": name, "seconds": round(spent.seconds, 2), "peak_mib": round(spent.mib), "mib_at_most": 300}
            )
        )
    started = [run([*PROGRAM, "--version"]).seconds for _ in range(max(5, repeat))]
    print(json.dumps({"measure": "sospes --version", "seconds": round(statistics.median(started), 3), "at_most": 0.2}))


MIB = ("mib", 570, "size of the plain dump in MiB")


def measured(
    about: str | None,
    measure: Callable[[Path, int], None],
    make: Callable[[Path, int], None] = make_inputs,
    size: tuple[str, int, str] = MIB,
) -> None:
    """Read the options that `about` describes, make inputs of a size in a temporary folder, and measure there."""
    name, default, meaning = size
    parser = argparse.ArgumentParser(description=about, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument(f"--{name}", type=int, default=default, help=f"{meaning} (default: %(default)s)")
    parser.add_argument("--repeat", type=int, default=3, help="how often each is run (default: %(default)s)")
    args = vars(parser.parse_args())
    machine = f"{platform.machine()}, {os.cpu_count()} cores, Python {platform.python_version()}"
    print(json.dumps({"machine": machine, name: args[name], "repeat": args["repeat"]}))
    with tempfile.TemporaryDirectory(prefix="sospes-bench-") as folder:
        make(Path(folder), args[name])
        measure(Path(folder), args["repeat"])


if __name__ == "__main__":
    measured(__doc__, measure)

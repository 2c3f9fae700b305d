"""Nights, as figures: python -m benchmarks.night [--files N] [--mib N] [--repeat N].

A survey of many files, the first time and from memory; and what writing a proof down adds to a verification.
"""

from __future__ import annotations

import argparse
import gzip
import json
import os
import statistics
import subprocess
import tempfile
import time
from pathlib import Path

from tests.backups import mysql, numbers, postgresql

from benchmarks.speed import PROGRAM


def main() -> None:
    """One line of JSON for each measure."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--files", type=int, default=10_000)
    parser.add_argument("--mib", type=int, default=64)
    parser.add_argument("--repeat", type=int, default=3)
    args = parser.parse_args()
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        (folder / "backups").mkdir()
        _fill(folder / "backups", args.files)
        cold = [_seconds("survey", folder / "backups", "--fresh") for _ in range(args.repeat)]
        warm = [_seconds("survey", folder / "backups") for _ in range(args.repeat)]
        _print("survey, seconds", cold, files=args.files)
        _print("survey from memory, seconds", warm, files=args.files)
        backup = folder / "large.sql"
        _large(backup, args.mib)
        ratios = []
        for _ in range(args.repeat):
            without = _seconds("verify", backup, "--no-ledger")
            ratios.append(_seconds("verify", backup) / without)
        _print("verify with the ledger, against without", ratios, mib=args.mib)


def _fill(folder: Path, files: int) -> None:
    """Backups of a hundred databases, night after night, half of them packed."""
    for number in range(files):
        database, night = number % 100, number // 100
        place = folder / f"db{database}"
        place.mkdir(exist_ok=True)
        if database % 2:
            text = postgresql(b"".join(numbers(f"db{database}.t{table}", 40 + night) for table in range(5)))
        else:
            text = mysql(b"CREATE TABLE `boat` (`id` int);\nINSERT INTO `boat` VALUES (1);\n")
            text = text.replace(b"Database: harbour", f"Database: db{database}".encode())
        path = place / f"night-{night:05}.sql{'.gz' if night % 2 else ''}"
        path.write_bytes(gzip.compress(text, 1) if night % 2 else text)
        os.utime(path, (1_790_000_000 + night * 86400,) * 2)


def _large(path: Path, mib: int) -> None:
    part = numbers("public.tide", 20_000).split(b"\\.\n")[0]
    head, _, rows = part.partition(b"FROM stdin;\n")
    with path.open("wb") as file:
        file.write(
            postgresql(b"").partition(b"\n--\n-- PostgreSQL database dump complete")[0] + head + b"FROM stdin;\n"
        )
        for _ in range(max(1, (mib << 20) // len(rows))):
            file.write(rows)
        file.write(b"\\.\n\n" + postgresql(b"")[-60:])


def _seconds(*words: str | Path) -> float:
    begin = time.perf_counter()
    subprocess.run([*PROGRAM, *map(str, words), "--quiet"], stdout=subprocess.DEVNULL, check=False, timeout=600)
    return time.perf_counter() - begin


def _print(measure: str, values: list[float], **sizes: int) -> None:
    spread = [round(value, 3) for value in (min(values), statistics.median(values), max(values))]
    print(json.dumps({"measure": measure, **sizes, "lowest_median_highest": spread}))


if __name__ == "__main__":
    main()

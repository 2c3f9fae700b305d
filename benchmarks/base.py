"""Base backups and their logs, as figures: python -m benchmarks.base [--mib N] [--repeat N] [--times N].

It needs a server. Speed: verifying against what the system's own programs take for the same bytes, records of a log,
heads of many files.
Damage: each kind of file of a backup, and an archive of logs, damaged at random in each way; what was detected, and
what was missed, which must only be bytes that no checksum covers.
"""

from __future__ import annotations

import argparse
import gzip
import json
import os
import random
import shutil
import struct
import subprocess
import tempfile
import time
from collections import Counter
from collections.abc import Callable
from pathlib import Path

from tests.conftest import folder_for_all
from tests.damage import DAMAGES, Damage
from tests.servers import PostgresServer
from tests.worlds import World, make_world

from benchmarks.night import _print, _seconds
from sospes.formats.opening import Opening
from sospes.formats.wal.files import gather
from sospes.formats.wal.records import Log, first_begin
from sospes.model.verdict import Verdict
from sospes.work.look.verify import Looking, verify

MIB = 1 << 20
ROW = 300
"""Bytes of a row in a page, about."""

CLASSES: dict[str, Callable[[str], bool]] = {
    "tables and indexes": lambda path: path.startswith(("base/", "global/")) and _is_number(path),
    "free space and visibility": lambda path: path.endswith(("_fsm", "_vm")),
    "the log inside": lambda path: path.startswith("pg_wal/0"),
    "control file, label, maps, manifest": lambda path: (
        path.rpartition("/")[2] in {"pg_control", "backup_label", "pg_filenode.map", "backup_manifest"}
    ),
    "all else": lambda _: True,
}


def main() -> None:
    """One line of JSON for each measure."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--mib", type=int, default=900)
    parser.add_argument("--repeat", type=int, default=3)
    parser.add_argument("--times", type=int, default=20)
    args = parser.parse_args()
    with tempfile.TemporaryDirectory() as name:
        folder = folder_for_all(Path(name))
        if args.mib:
            _speed(folder, args.mib, args.repeat)
            _many(folder / "many", folder / "sha", args.repeat)
        if args.times:
            _damage(make_world(folder_for_all(folder)), folder, args.times)


def _speed(folder: Path, mib: int, repeat: int) -> None:
    """Backups of that size, in turn with the system's programs."""
    with PostgresServer(None, "--data-checksums", settings=("wal_keep_size=2GB",)) as server:
        rows = mib * MIB // ROW
        filled = f"SELECT g, repeat(md5(g::text), 8) FROM generate_series(1, {rows}) g"
        server.run_sql("postgres", f"CREATE TABLE tide (id integer, note text); INSERT INTO tide {filled}; CHECKPOINT")
        for name, options in (
            ("sha", ["--manifest-checksums=SHA256"]),
            ("crc", ["--manifest-checksums=CRC32C"]),
            ("tar", ["-F", "t", "-z"]),
        ):
            server.base_backup(folder / name, *options)
        server.run_sql("postgres", "SELECT pg_switch_wal(); CREATE TABLE boat (id integer PRIMARY KEY, n integer)")
        for _ in range(4):
            server.run_sql("postgres", "INSERT INTO boat SELECT g, 0 FROM generate_series(1, 200000) g; TRUNCATE boat")
        server.run_sql("postgres", "SELECT pg_switch_wal()")
        logs = folder / "logs"
        logs.mkdir()
        for path in sorted((server.folder / "data/pg_wal").glob("0*"))[-12:]:
            shutil.copy(path, logs)
    for name in ("sha", "crc"):
        sums = f"find {folder / name} -type f -print0 | xargs -0 sha256sum > /dev/null"
        _print(f"verify, {name}, against sha256sum", _ratios(folder / name, sums, repeat), mib=mib)
    unpack = f"gzip -t {folder / 'tar' / 'base.tar.gz'}"
    _print("verify of a gzip tar, against gzip -t", _ratios(folder / "tar", unpack, repeat), mib=mib)
    _print("inspect, seconds", [_seconds("inspect", folder / "sha") for _ in range(repeat)], mib=mib)
    _records(logs, repeat)
    size = sum(path.stat().st_size for path in logs.iterdir()) / 1e6
    rates = [size / _seconds("retrace", logs, "--with", folder / "sha") for _ in range(repeat)]
    _print("retrace, MB a second with the start", rates)


def _ratios(backup: Path, command: str, repeat: int) -> list[float]:
    """Seconds of verifying by seconds of a shell command, in turn."""
    found = []
    for _ in range(repeat):
        begin = time.perf_counter()
        subprocess.run(command, shell=True, check=True)
        taken = time.perf_counter() - begin
        found.append(_seconds("verify", backup, "--no-ledger") / taken)
    return found


def _records(logs: Path, repeat: int) -> None:
    """How long records of a log take, one by one and by their bytes."""
    rates, each = [], []
    for _ in range(repeat):
        files = {file.head.start: file for file in gather([logs]).files}
        first = files[min(files)]
        begin = first_begin(first, first.head.start, first.head, first.head.start)
        log = Log(files.get, first.head.size, None)
        started = time.perf_counter()
        size = sum(len(records.text) for records in log.records(begin or 0))
        taken = time.perf_counter() - started
        rates.append(size / 1e6 / taken)
        each.append(taken / log.count * 1e6)
    _print("records of a log, microseconds each", each)
    _print("records of a log, MB a second", rates)


def _many(folder: Path, backup: Path, repeat: int, files: int = 10_000) -> None:
    """Heads of many segments, plain and packed, beside what the program takes for few."""
    page = struct.pack("<HHIQI4xQII", 0xD110, 2, 1, 0, 0, 4711, MIB, 8192).ljust(8192, b"\0")
    for kind in ("plain", "packed"):
        (folder / kind).mkdir(parents=True)
        for number in range(1, files + 1):
            data = bytearray(page)
            struct.pack_into("<Q", data, 8, number * MIB)
            name = f"{1:08X}{number >> 12:08X}{number & 0xFFF:08X}"
            if kind == "packed":
                (folder / kind / f"{name}.gz").write_bytes(gzip.compress(bytes(data), 1))
            else:
                (folder / kind / name).write_bytes(data)
                os.truncate(folder / kind / name, MIB)
        few = folder / f"few-{kind}"
        few.mkdir()
        shutil.copy(sorted((folder / kind).iterdir())[0], few)
        for command in ("inspect", "plan"):
            first = [backup] if command == "plan" else []
            more = [
                _seconds(command, *first, folder / kind) - _seconds(command, *first, few) for _ in range(repeat)
            ]  # fmt: skip
            _print(f"{command} of {kind} logs, seconds beside the start", more, files=files)


def _damage(world: World, folder: Path, times: int) -> None:
    """Each kind of file of a backup, with and without its manifest, and an archive of logs."""
    bare = folder / "bare"
    shutil.copytree(world.backup, bare)
    (bare / "backup_manifest").unlink()
    for name, backup in (("with its manifest", world.backup), ("without", bare), ("logs", world.promoted)):
        chance = random.Random(len(name))
        copy = folder / "copy"
        shutil.copytree(backup, copy)
        files = [path for path in copy.rglob("*") if path.is_file() and path.stat().st_size]
        classes = (
            {"segments": [path for path in files if len(path.name) == 24]} if name == "logs" else _classes(copy, files)
        )
        for kind, paths in classes.items():
            for way, damage in DAMAGES.items():
                counts: Counter[str] = Counter()
                for _ in range(times if paths else 0):
                    counts[_damaged(copy, chance.choice(paths), damage, chance)] += 1
                print(json.dumps({"damaged": f"base backup {name}", "file": kind, "way": way, **counts}), flush=True)
        assert _verdict(copy) is Verdict.SOUND
        shutil.rmtree(copy)


def _classes(copy: Path, files: list[Path]) -> dict[str, list[Path]]:
    found: dict[str, list[Path]] = {kind: [] for kind in CLASSES}
    for path in files:
        name = path.relative_to(copy).as_posix()
        found[next(kind for kind, is_one in CLASSES.items() if is_one(name))].append(path)
    return found


def _damaged(copy: Path, path: Path, damage: Damage, chance: random.Random) -> str:
    """What becomes of one damage: detected, missed, or nothing was changed."""
    whole = path.read_bytes()
    data, _ = damage(whole, chance)
    if data == whole:
        return "unchanged"
    path.write_bytes(data)
    verdict = _verdict(copy)
    path.write_bytes(whole)
    return "detected" if verdict is not Verdict.SOUND else "missed"


def _verdict(backup: Path) -> Verdict:
    return verify([backup], Looking(opening=Opening())).verdict


def _is_number(path: str) -> bool:
    return path.rpartition("/")[2].replace(".", "").isdigit()


if __name__ == "__main__":
    main()

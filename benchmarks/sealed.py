"""Speed with typed values and with a seal, and of comparing, as ratios to general tools measured in the same run.

`python -m benchmarks.sealed --mib 570 --repeat 3`
"""

from __future__ import annotations

import os
import shutil
from collections.abc import Callable
from pathlib import Path

from benchmarks.speed import PROGRAM, TAIL, Spent, measured, ratio, run


def measure(folder: Path, repeat: int) -> None:
    """All measures, one after the other."""
    without_keys(folder)
    plain, packed, keyless = (str(folder / name) for name in ("night.sql", "night.sql.gz", "keyless.sql.gz"))
    key = folder / "key"
    key.write_text("a key for this benchmark")
    key.chmod(0o600)
    signed = str(folder / "signed.seal")
    range_print = r"/^COPY public.station /,/^\\\.$/p"

    def sospes(*words: str) -> Callable[[], Spent]:
        return lambda: run([*PROGRAM, *words, "--work-folder", str(folder)])

    def shell(command: str) -> Callable[[], Spent]:
        return lambda: run(["sh", "-c", command])

    values = sospes("verify", "--values", keyless)
    ratio("verify --values, gzip, without keys, against gzip -t", 1.5, repeat, values, shell(f"gzip -t {packed}"))
    unpacked = shell(f"gzip -dc {packed} | sed -n '{range_print}'")
    ratio(
        "extract small table, gzip, against gzip -dc and sed",
        0.4,
        repeat,
        sospes("extract", packed, "station"),
        unpacked,
    )
    for path in (plain, packed):
        run([*PROGRAM, "seal", path])
    run([*PROGRAM, "seal", plain, "--key-file", str(key), "--out", signed])
    quick = sospes("verify", "--quick", plain)
    ratio("verify --quick, plain, against cat", 2.0, repeat, quick, shell(f"cat {plain}"))
    by_key = sospes("verify", "--quick", plain, "--seal", signed, "--key-file", str(key))
    ratio("verify --quick, signed seal, against sha256sum", 1.0, repeat, by_key, shell(f"sha256sum {plain}"))
    ranged = shell(f"sed -n '{range_print}' {plain}")
    ratio("extract small table, plain, by seal, against sed", 0.05, repeat, sospes("extract", plain, "station"), ranged)
    ratio(
        "extract small table, gzip, by seal, against both", 0.05, repeat, sospes("extract", packed, "station"), unpacked
    )
    sorting = f"sort {folder}/rows.tsv > {folder}/a; sort {folder}/rows.tsv > {folder}/b; comm -3 {folder}/a {folder}/b"
    one_core = shell(f"export LC_ALL=C TMPDIR={folder}; {sorting}")
    ratio("compare plain with gzip, against sort and comm", 0.6, repeat, sospes("compare", plain, packed), one_core)


def without_keys(folder: Path) -> None:
    """The dump once more, its keys left out."""
    shutil.copy(folder / "night.sql", folder / "keyless.sql")
    with (folder / "keyless.sql").open("r+b") as file:
        file.seek(-len(TAIL), os.SEEK_END)
        file.truncate()
        file.write(TAIL[TAIL.index(b"--\n-- PostgreSQL") :])
    run(["gzip", str(folder / "keyless.sql")])


if __name__ == "__main__":
    measured(__doc__, measure)

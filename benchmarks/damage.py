"""The damage bench: each form of backup damaged at random many times; what was detected, placed, missed.

`python -m benchmarks.damage --times 100` prints one line of JSON for each form and way of reading. A miss is sorted by
where it lies: in bytes that no checksum of the form covers, or in covered ones, which must never happen.
"""

from __future__ import annotations

import argparse
import gzip
import json
import random
import tempfile
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, field
from datetime import datetime
from pathlib import Path

import lz4.frame
from tests.damage import DAMAGES, PAGE
from tests.fuzz import targets

from sospes.formats.opening import Opening
from sospes.model.errors import SospesError
from sospes.model.verdict import Verdict
from sospes.work.look.verify import Looking, verify
from sospes.work.seal.making import Sealing, seal
from sospes.work.seal.using import SealUse

UNCOVERED = {
    "gzip": "gzip: time stamp, flags, system, extra fields and name in each member's head",
    "bzip2": "bzip2: the block size in the head, the bits that fill up the last byte",
    "xz": "xz: nothing",
    "zstandard": "zstandard: the checksum is an option; window size in the head",
    "lz4": "lz4: the checksums are options of the writer",
    None: "plain text and archives' contents: no checksum; what the form says twice, structure, and types",
}


@dataclass(slots=True)
class Score:
    """What became of the damages of one kind."""

    times: int = 0
    detected: int = 0
    placed: int = 0
    unchanged: int = 0
    missed: list[str] = field(default_factory=list)


def backups(folder: Path) -> Iterator[Path]:
    """The shipped real backups that are single files, and one packed in each further way."""
    for path in targets():
        if path.is_file():
            yield path
    plain = next(path for path in targets() if path.name == "postgresql-18.sql").read_bytes()
    (folder / "postgresql-18.sql.gz").write_bytes(gzip.compress(plain))
    (folder / "postgresql-18.sql.lz4").write_bytes(
        lz4.frame.compress(plain, block_linked=False, block_checksum=True, content_checksum=True)
    )
    yield from (folder / "postgresql-18.sql.gz", folder / "postgresql-18.sql.lz4")


def scored(backup: Path, times: int, values: bool, sealed: bool) -> tuple[str | None, dict[str, Score], bool]:
    """Damage one backup `times` times in each way; also whether the sound one was called sound."""
    whole = backup.read_bytes()
    chance = random.Random(len(whole))
    scores = {name: Score() for name in DAMAGES}
    with tempfile.TemporaryDirectory() as folder:
        copy = Path(folder) / backup.name
        copy.write_bytes(whole)
        use = None
        if sealed:
            seal(copy, Sealing(opening=Opening(), now=datetime.now().astimezone()))
            use = SealUse()
        looking = Looking(opening=Opening(), values=values, seal=use)
        clean = verify([copy], looking)
        for name, damage in DAMAGES.items():
            for _ in range(times):
                data, at = damage(whole, chance)
                if data == whole:
                    scores[name].unchanged += 1
                    continue
                copy.write_bytes(data)
                _score(scores[name], copy, looking, at)
    return clean.result.compression, scores, clean.verdict is Verdict.SOUND


def _score(score: Score, copy: Path, looking: Looking, at: int) -> None:
    score.times += 1
    try:
        outcome = verify([copy], looking)
    except SospesError:
        score.detected += 1
        return
    if outcome.verdict is Verdict.SOUND:
        around = copy.read_bytes()[max(0, at - 12) : at + 12]
        score.missed.append(f"{at}: {around!r}")
        return
    score.detected += 1
    for finding in outcome.findings:
        begin, end = finding.place.stored_from, finding.place.stored_to
        if begin is not None and begin - PAGE <= at <= (begin if end is None else end) + PAGE:
            score.placed += 1
            return


def main() -> None:
    """One line for each backup: shares detected and placed, by way of damaging; the first misses with `--misses`."""
    parser = argparse.ArgumentParser(description=main.__doc__)
    parser.add_argument("--times", type=int, default=40)
    parser.add_argument("--values", action="store_true")
    parser.add_argument("--sealed", action="store_true")
    parser.add_argument("--misses", type=int, default=0)
    args = parser.parse_args()
    false_alarms: Counter[str] = Counter()
    with tempfile.TemporaryDirectory() as folder:
        for backup in backups(Path(folder)):
            compression, scores, clean = scored(backup, args.times, args.values, args.sealed)
            false_alarms[backup.name] += not clean
            line = {
                "backup": backup.name,
                "uncovered": UNCOVERED.get((compression or "").split("+")[0] or None),
                "sound one called sound": clean,
                **{
                    name: {"times": score.times, "detected": score.detected, "placed": score.placed}
                    for name, score in scores.items()
                },
            }
            print(json.dumps(line))
            for name, score in scores.items():
                for missed in score.missed[: args.misses]:
                    print(f"  missed, {name}: {missed}")


if __name__ == "__main__":
    main()

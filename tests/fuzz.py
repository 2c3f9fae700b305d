"""The fuzz target: real backups of every form, damaged at random, through every reader. `make fuzz` runs it for long.

A reader must give events or findings and come to an end; what it raises, other than an error for the user, is a bug.
"""

from __future__ import annotations

import argparse
import random
import shutil
import tempfile
import time
from pathlib import Path

from sospes.formats.opening import Opening
from sospes.model.errors import SospesError
from sospes.work.look.verify import Looking, verify
from tests.damage import DAMAGES

DUMPS = Path(__file__).parent / "dumps"
SLOWEST_SECONDS = 20.0


def targets() -> list[Path]:
    """One real backup for each form and container."""
    return sorted(path for path in DUMPS.iterdir() if path.name != "README.md")


def damaged(backup: Path, folder: Path, chance: random.Random) -> tuple[Path, str]:
    """A copy of a backup with one to three damages, and what they are."""
    copy = folder / backup.name
    if backup.is_dir():
        shutil.copytree(backup, copy, dirs_exist_ok=True)
        target = chance.choice([path for path in sorted(copy.iterdir()) if path.stat().st_size])
    else:
        target = copy
        shutil.copy(backup, copy)
    data = target.read_bytes()
    done = []
    for _ in range(chance.randrange(1, 4)):
        name = chance.choice(list(DAMAGES))
        if data:
            data, at = DAMAGES[name](data, chance)
            done.append(f"{name} at {at} of {target.name}")
    target.write_bytes(data)
    return copy, "; ".join(done)


def run(seconds: float, seed: int, values: bool = True) -> int:
    """Damage and read for so many seconds; the number of backups that were read."""
    chance = random.Random(seed)
    count = 0
    end = time.monotonic() + seconds
    while time.monotonic() < end:
        backup = chance.choice(targets())
        with tempfile.TemporaryDirectory() as folder:
            copy, what = damaged(backup, Path(folder), chance)
            begin = time.monotonic()
            try:
                verify([copy], Looking(opening=Opening(), values=values and chance.random() < 0.5))
            except SospesError:
                pass  # an expected problem, told to the user
            except Exception as error:
                raise AssertionError(f"{backup.name}, {what}, seed {seed}, number {count}: {error!r}") from error
            assert time.monotonic() - begin < SLOWEST_SECONDS, f"{backup.name}, {what}: too slow"
        count += 1
    return count


def main() -> None:
    """Run for a while, and print how many backups were read."""
    parser = argparse.ArgumentParser(description=main.__doc__)
    parser.add_argument("--seconds", type=float, default=600)
    parser.add_argument("--seed", type=int, default=int(time.time()))
    args = parser.parse_args()
    print(f"seed {args.seed}: {run(args.seconds, args.seed):,} damaged backups read, no reader failed")  # noqa: T201


if __name__ == "__main__":
    main()

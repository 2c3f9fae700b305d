"""Changes the program in small ways, one at a time, and sees whether a test notices: a sample, by area, of the core.

    make mutants                      all areas, 12 changes each
    python -m tools.mutants --changes 40 sql seal

The tester is cosmic-ray. It works on a copy of the checkout in a temporary folder. What survives is listed with its
place and what was changed; each is a test to be written, or code that does nothing.
"""

from __future__ import annotations

import argparse
import json
import os
import random
import shutil
import sqlite3
import subprocess
import sys
import tempfile
from contextlib import closing
from pathlib import Path

ROOT = Path(__file__).parent.parent
_AREAS = {
    "sql": ("sql", "sql work/look"),
    "stream": ("stream", "work/extract formats work/seal work/look"),
    "formats": ("formats", "formats work/look"),
    "rows": ("rows", "rows work/compare"),
    "embedded": ("sides/embedded", "work/look rows formats"),
    "engines": ("engines", "engines house work/mend work/compare rows"),
    "mend": ("work/mend", "work/mend places work/compare"),
    "seal": ("work/seal", "work/seal places work/look"),
}
"""By area: a folder of the program, and those of the tests that are about it and need no server."""

_SECONDS = 240.0


def main() -> int:
    """Run the areas that were named; 1 if fewer than the wanted share was noticed."""
    parser = argparse.ArgumentParser(description=__doc__.split("\n", maxsplit=1)[0] if __doc__ else None)
    parser.add_argument("areas", nargs="*", choices=[*_AREAS, []], help="all if none is named")
    parser.add_argument("--changes", type=int, default=12, help="how many in each area (default: %(default)s)")
    parser.add_argument("--seed", type=int, default=1, help="which ones (default: %(default)s)")
    parser.add_argument("--share", type=float, default=0.85, help="what is to be noticed (default: %(default)s)")
    args = parser.parse_args()
    noticed = total = 0
    for area in args.areas or _AREAS:
        killed, survived = _area(area, args.changes, args.seed)
        noticed += killed
        total += killed + len(survived)
        print(f"{area}: {killed} of {killed + len(survived)} changes were noticed", flush=True)  # noqa: T201
        for line in survived:
            print(line, flush=True)  # noqa: T201
    share = noticed / total if total else 1.0
    print(f"all: {noticed} of {total}, {share:.0%}")  # noqa: T201
    return 0 if share >= args.share else 1


def _area(area: str, changes: int, seed: int) -> tuple[int, list[str]]:
    """How many changes were noticed, and those that weren't, in words."""
    folder, tests = _AREAS[area]
    with tempfile.TemporaryDirectory(prefix="sospes-mutants-") as name:
        work = Path(name)
        for part in ("src", "tests", "docs", "benchmarks", "tools", "pyproject.toml", "README.md"):
            source = ROOT / part
            shutil.copytree(source, work / part) if source.is_dir() else shutil.copy(source, work / part)
        chosen = " ".join(f"tests/{test}" for test in tests.split())
        run = f"{sys.executable} -m pytest -x -q -m 'not servers' {chosen}"
        (work / "mutants.toml").write_text(
            f'[cosmic-ray]\nmodule-path = ["src/sospes/{folder}"]\ntimeout = {_SECONDS}\nexcluded-modules = []\n'
            f'test-command = "{run}"\n[cosmic-ray.distributor]\nname = "local"\n'
        )
        tool = str(Path(sys.executable).with_name("cosmic-ray"))
        environment = {**os.environ, "PYTHONPATH": str(work / "src")}
        subprocess.run([tool, "init", "mutants.toml", "mutants.sqlite"], cwd=work, env=environment, check=True)
        _sampled(work / "mutants.sqlite", changes, seed)
        subprocess.run([tool, "exec", "mutants.toml", "mutants.sqlite"], cwd=work, env=environment, check=True)
        dumped = subprocess.run(
            [tool, "dump", "mutants.sqlite"], cwd=work, env=environment, check=True, capture_output=True, text=True
        )
        return _counted(dumped.stdout)


def _sampled(session: Path, changes: int, seed: int) -> None:
    """Leave so many of the possible changes, picked at random, in a session."""
    with closing(sqlite3.connect(session)) as connection, connection:
        jobs = [job for (job,) in connection.execute("SELECT job_id FROM work_items ORDER BY job_id")]
        places = connection.execute(
            "SELECT job_id, module_path, start_pos_row, start_pos_col, operator_name FROM mutation_specs"
        )
        keyed = {job: key for job, *key in places.fetchall()}
        jobs.sort(key=lambda job: keyed[job])  # the numbers of jobs are random
        kept = set(random.Random(seed).sample(jobs, min(changes, len(jobs))))
        for table in ("mutation_specs", "work_items"):
            connection.executemany(f"DELETE FROM {table} WHERE job_id = ?", [(job,) for job in jobs if job not in kept])


def _counted(dumped: str) -> tuple[int, list[str]]:
    killed, survived = 0, []
    for line in dumped.splitlines():
        item, result = json.loads(line)
        if result is None or result["test_outcome"] != "survived":
            killed += 1
            continue
        [mutation] = item["mutations"]
        where = f"{mutation['module_path']}:{mutation['start_pos'][0]}"
        diff = [
            part for part in (result["diff"] or "").splitlines() if part[:1] in "+-" and part[:3] not in {"+++", "---"}
        ]
        survived.append(f"  {where} {mutation['operator_name']}\n    " + "\n    ".join(diff))
    return killed, survived


if __name__ == "__main__":
    sys.exit(main())

"""`sospes plan`: which files a restore would need, and how far it would reach."""

from __future__ import annotations

import argparse
import time
from pathlib import Path

from sospes.cli import common

EXAMPLE = "sospes plan /srv/backups --until '2026-11-25 09:31'"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument(
        "places", nargs="+", type=Path, metavar="PLACE", help="a folder with backups and logs, or a file"
    )
    parser.add_argument("--database", metavar="NAME", help="the database that is wanted back")
    common.add_moments(parser)


def run(args: argparse.Namespace) -> int:
    """Plan the restore."""
    from sospes.report.plan import tell_plan
    from sospes.work.plan.plan import Planned, plan

    begin = time.perf_counter()
    wanted = Planned(opening=common.opening(args), database=args.database, moment=common.moment(args))
    outcome = plan(args.places, wanted)
    if not args.json:
        tell_plan(common.printer(args), outcome)
    return common.finish(args, [outcome], begin)

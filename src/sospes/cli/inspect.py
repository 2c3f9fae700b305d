"""`sospes inspect`: what a backup is."""

from __future__ import annotations

import argparse
import time
from pathlib import Path

from sospes.cli import common

EXAMPLE = "sospes inspect night.sql.gz --contents"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument(
        "backups", nargs="+", type=Path, metavar="BACKUP", help="a backup file, or - for standard input"
    )
    parser.add_argument(
        "--contents",
        action="store_true",
        help="list all tables with their rows, and all other objects; reads everything",
    )
    common.add_pieces(parser)


def run(args: argparse.Namespace) -> int:
    """Look at each backup in turn and say what it is."""
    from sospes.report.describe import tell_inspect
    from sospes.work.describe import Looking, inspect

    begin = time.perf_counter()
    outcomes = []
    for paths in common.grouped(args.backups, args.pieces):
        with common.progress(args, "reading", paths) as progress:
            outcome = inspect(paths, Looking(opening=common.opening(args), progress=progress), args.contents)
        outcomes.append(outcome)
        if not args.json:
            tell_inspect(common.printer(args), outcome, args.contents)
    return common.finish(args, outcomes, begin)

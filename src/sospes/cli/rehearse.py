"""`sospes rehearse`: does it restore?"""

from __future__ import annotations

import argparse
import sys
import time
from datetime import datetime
from pathlib import Path

from sospes.cli import common

EXAMPLE = "sospes rehearse night.sql.gz --keep"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument("backup", type=Path, metavar="BACKUP", help="a backup file, or - for standard input")
    parser.add_argument(
        "--side",
        choices=["embedded"],
        default="embedded",
        help="where the side copy is made: embedded, a SQLite file (default: %(default)s)",
    )
    parser.add_argument(
        "--table",
        action="append",
        default=[],
        metavar="TABLE",
        help="load this table only; may be given several times",
    )
    parser.add_argument(
        "--keep",
        action="store_true",
        help="keep the side copy, in the work folder or else in the current one",
    )
    common.add_salvage(parser)
    common.add_pieces(parser)


def run(args: argparse.Namespace) -> int:
    """Rehearse one backup."""
    from sospes.report.rehearse import tell_rehearse
    from sospes.report.words import size
    from sospes.work.rehearse import Rehearsing, rehearse

    begin = time.perf_counter()
    paths = [args.backup, *args.pieces]

    def announce(expected: int | None, folder: Path) -> None:
        if not args.quiet:
            needs = "of unknown size" if expected is None else f"of about {size(expected)}"
            print(f"sospes: expecting a side copy {needs} in {folder}", file=sys.stderr)  # noqa: T201

    keep = (args.work_folder or Path()) if args.keep else None
    with common.progress(args, "loading", paths) as progress:
        how = Rehearsing(
            opening=common.opening(args),
            tables=args.table,
            salvage=args.salvage,
            keep=keep,
            now=datetime.now(),
            progress=progress,
            announce=announce,
        )
        outcome = rehearse(paths, how)
    side = outcome.result.side
    beside = Path(f"{side.location}.missing.jsonl") if side is not None and side.kept else None
    common.write_missing(args.missing or beside, outcome.result.missing or None)
    if not args.json:
        tell_rehearse(common.printer(args), outcome)
    return common.finish(args, [outcome], begin)

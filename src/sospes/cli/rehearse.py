"""`sospes rehearse`: does it restore?"""

from __future__ import annotations

import argparse
import os
import sys
import time
from datetime import datetime
from pathlib import Path

from sospes.cli import common
from sospes.model.errors import UsageError

EXAMPLE = "sospes rehearse night.sql.gz --keep"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument("backup", type=Path, metavar="BACKUP", help="a backup file, or - for standard input")
    parser.add_argument(
        "--side",
        choices=["embedded", "private"],
        default="embedded",
        help="where the side copy is made: embedded, a SQLite file; private, a throw-away server of the backup's "
        "own engine (default: %(default)s)",
    )
    parser.add_argument(
        "--server-bin", type=Path, metavar="DIR", help="with --side private: the folder of the server's programs"
    )
    parser.add_argument(
        "--workers",
        type=common.positive,
        default=min(4, os.cpu_count() or 1),
        metavar="N",
        help="with --side private: connections by which rows and indexes go in (default here: %(default)s)",
    )
    parser.add_argument(
        "--stop-at-first", action="store_true", help="with --side private: end at the first statement that fails"
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
    from sospes.work.restore import rehearse_privately

    begin = time.perf_counter()
    _check(args)
    paths = [args.backup, *args.pieces]

    def announce(expected: int | None, where: str) -> None:
        if not args.quiet:
            needs = "of unknown size" if expected is None else f"of about {size(expected)}"
            print(f"sospes: expecting a side copy {needs} in {where}", file=sys.stderr)  # noqa: T201

    keep = (args.work_folder or Path()) if args.keep else None
    with common.progress(args, "loading", paths) as progress:
        how = Rehearsing(
            opening=common.opening(args),
            tables=args.table,
            salvage=args.salvage,
            private=args.side == "private",
            server_bin=args.server_bin,
            workers=args.workers,
            stop_at_first=args.stop_at_first,
            keep=keep,
            now=datetime.now(),
            progress=progress,
            announce=announce,
        )
        outcome = rehearse_privately(paths, how) if how.private else rehearse(paths, how)
    side = outcome.result.side
    beside = Path(f"{side.location}.missing.jsonl") if side is not None and side.kept else None
    listed = common.write_missing(args.missing or beside, outcome.result.missing)
    if not args.json:
        tell_rehearse(common.printer(args), outcome, listed)
    return common.finish(args, [outcome], begin)


def _check(args: argparse.Namespace) -> None:
    """Options that don't go together."""
    private = args.side == "private"
    if private and (args.keep or args.salvage or args.table):
        raise UsageError(
            "--side private restores all of a backup and removes the server afterwards",
            "leave --keep, --salvage and --table away, or use --side embedded",
        )
    if not private and (args.server_bin or args.stop_at_first):
        raise UsageError("--server-bin and --stop-at-first go with --side private", "add --side private")

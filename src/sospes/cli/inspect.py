"""`sospes inspect`: what a backup is."""

from __future__ import annotations

import argparse

from sospes.cli import common

EXAMPLE = "sospes inspect night.sql.gz --contents"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument(
        "backups", nargs="+", type=common.stored, metavar="BACKUP", help="a backup file, or - for standard input"
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
    from sospes.work.look.inspect import inspect

    return common.describe_each(
        args,
        lambda paths, looking: inspect(paths, looking.opening, args.contents, looking.progress),
        lambda printer, outcome: tell_inspect(printer, outcome, args.contents),
    )

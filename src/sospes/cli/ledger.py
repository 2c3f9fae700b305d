"""`sospes ledger`: what has been proven, how long restores take, what has gone stale, what is unusual."""

from __future__ import annotations

import argparse
import time
from datetime import datetime
from pathlib import Path

from sospes.cli import common, recording

EXAMPLE = "sospes ledger --stale-after 7d"
PROOFS_LISTED = 10
"""Proofs that are listed where nobody says how many."""


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument(
        "backups",
        nargs="*",
        type=Path,
        metavar="BACKUP",
        help="tell what was proven of these bytes, wherever they lay then (default: of all backups)",
    )
    parser.add_argument("--of", default="", metavar="TEXT", help="only lineages that have TEXT in their name")
    parser.add_argument(
        "--stale-after",
        type=recording.span,
        metavar="SPAN",
        help="a doubt for each database without a sound backup for so long, as 7d (default: 7d, and a note)",
    )
    parser.add_argument(
        "--figure", type=Path, metavar="FILE", help="draw size, rows and restore times over time, as SVG or PNG"
    )
    parser.add_argument(
        "--ledger", type=Path, metavar="FILE", help="the record (default: ledger.sqlite in the user's state folder)"
    )


def run(args: argparse.Namespace) -> int:
    """Look into the ledger."""
    from sospes.places.writing import require_free, write_whole
    from sospes.report.ledger import tell_ledger
    from sospes.work.ledger.looking import STALE_AFTER, Looking, look, series

    begin = time.perf_counter()
    if args.figure is not None:
        require_free(args.figure, overwrite=False, advice="name another file with --figure FILE")
    book = recording.opened_ledger(args)
    how = Looking(
        now=datetime.now().astimezone(),
        backups=common.grouped(args.backups, []) if args.backups else (),
        lineage=args.of,
        stale_after=args.stale_after or STALE_AFTER,
        asked=args.stale_after is not None,
        limit=PROOFS_LISTED if args.limit is None else args.limit,
    )
    outcome = look(book, how)
    if args.figure is not None:
        recording.before_figures()
        from sospes.report.figures import history

        shown = {standing.lineage for standing in outcome.result.lineages}
        drawn = {name: found for name, found in series(book.proofs(light=True)).items() if name in shown}
        picture = history(drawn, args.figure.suffix)
        write_whole(args.figure, [picture], "name another file with --figure FILE")
    if not args.json:
        tell_ledger(common.printer(args), outcome, how.now)
    return common.finish(args, [outcome], begin)

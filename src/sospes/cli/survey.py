"""`sospes survey`: which backups lie where, of which databases, how old, and what is missing."""

from __future__ import annotations

import argparse
import time
from datetime import datetime
from pathlib import Path

from sospes.cli import common, recording

EXAMPLE = "sospes survey /srv/backups --spread 7d,4w,12m"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument("places", nargs="+", type=Path, metavar="PLACE", help="a folder with backups, or a file")
    parser.add_argument(
        "--spread",
        type=recording.spread,
        metavar="SPREAD",
        help="how many of the last days, weeks, months and years should each have a backup, as 7d,4w,12m,3y; those "
        "that have none are named",
    )
    parser.add_argument(
        "--data-folder",
        action="append",
        default=[],
        type=Path,
        metavar="FOLDER",
        help="where a database in use has its files: a warning is given where backups lie on the same volume; those of "
        "servers that run on this machine are looked for; may be given several times",
    )
    parser.add_argument("--fresh", action="store_true", help="read all heads anew, also of files that haven't changed")
    recording.add_ledger(parser)


def run(args: argparse.Namespace) -> int:
    """Survey the places."""
    from sospes.model.spans import Spread
    from sospes.report.survey import tell_survey
    from sospes.work.survey.survey import Surveying, survey

    begin = time.perf_counter()
    how = Surveying(
        opening=common.opening(args),
        spread=args.spread or Spread(),
        ledger=recording.ledger(args),
        fresh=args.fresh,
        data=args.data_folder,
        now=datetime.now().astimezone(),
    )
    outcome = survey(args.places, how)
    if not args.json:
        tell_survey(common.printer(args), outcome, how.now)
    return common.finish(args, [outcome], begin)

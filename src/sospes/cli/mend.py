"""`sospes mend`: the statements that would bring lost or changed rows back."""

from __future__ import annotations

import argparse
import time
from datetime import datetime
from pathlib import Path

from sospes.cli import common, comparing, recovering
from sospes.model.errors import UsageError

EXAMPLE = "sospes mend night.sql.gz @live --out fix.sql --undo undo.sql"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument("left", metavar="LEFT", help="what was recovered: a backup, a kept side copy")
    parser.add_argument("right", metavar="RIGHT", help="what is to be mended: a live database, or a backup of it")
    parser.add_argument("--out", type=Path, metavar="FILE", required=True, help="where to write the script")
    parser.add_argument("--undo", type=Path, metavar="FILE", help="where to write the script that takes it back")
    parser.add_argument("--table", action="append", default=[], metavar="TABLE", help="mend this table only")
    comparing.add_drift(parser, "rows that were written later are drift, and left as they are")
    comparing.add_key_and_timeout(parser)
    parser.add_argument("--only", choices=["missing", "changed"], help="bring back only missing, or only changed rows")
    parser.add_argument(
        "--columns",
        type=common.names,
        default=[],
        metavar="COLUMNS",
        help="set back only these columns of changed rows",
    )
    parser.add_argument("--from-key", metavar="VALUE", help="only rows whose key is at least VALUE")
    parser.add_argument("--to-key", metavar="VALUE", help="only rows whose key is at most VALUE")
    parser.add_argument(
        "--only-cause",
        metavar="N",
        help="bring back only what one cause changed: its number in what compare lists, or its kind",
    )
    parser.add_argument(
        "--objects",
        action="store_true",
        help="also make dropped views, routines, triggers, indexes, constraints and events anew, and tables with all "
        "that belongs to them",
    )
    parser.add_argument(
        "--without-triggers",
        action="store_true",
        help="keep triggers of live from running for these rows, where the engine can; needs the owner of the tables",
    )
    parser.add_argument(
        "--apply",
        nargs="?",
        const="",
        metavar="DATABASE",
        help="also run the statements on RIGHT, in one transaction; its name is given once more here or by --confirm",
    )
    common.add_confirm(parser)
    common.add_hide_values(parser)
    recovering.add_recovery(parser)


def run(args: argparse.Namespace) -> int:
    """Compare, and write the script."""
    from sospes.report.mend import tell_mend
    from sospes.work.mend.changes import Only
    from sospes.work.mend.rows import Mending, mend

    begin = time.perf_counter()
    with comparing.two_sides(args) as (left, right, common_how):
        how = Mending(
            comparing=common_how,
            out=args.out,
            undo=args.undo,
            only=Only(kind=args.only, columns=args.columns, first_key=args.from_key, last_key=args.to_key),
            only_cause=args.only_cause,
            objects=args.objects,
            without_triggers=args.without_triggers,
            apply_to=_confirmed(args),
            right_word=args.right,
            now=datetime.now().astimezone(),
        )
        outcome = mend(left, right, how)
    if not args.json:
        tell_mend(common.printer(args), outcome)
    return common.finish(args, [outcome], begin)


def _confirmed(args: argparse.Namespace) -> str | None:
    """The database's name, given once more; None where nothing is to be applied."""
    if args.apply is None:
        if args.confirm is not None:
            raise UsageError("--confirm goes with --apply", "give both, or neither")
        return None
    if not (args.apply or args.confirm):
        raise UsageError(
            "--apply writes to RIGHT, and that has to be confirmed", "give --confirm and the database's name"
        )
    if args.apply and args.confirm and args.apply != args.confirm:
        raise UsageError(f"--apply names {args.apply!r}, --confirm {args.confirm!r}", "give the name once")
    return str(args.apply or args.confirm)

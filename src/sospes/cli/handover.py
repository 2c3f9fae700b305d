"""`sospes handover`: a checked side copy in the live name's place."""

from __future__ import annotations

import argparse
import sys
import time
from datetime import datetime
from pathlib import Path

from sospes.cli import common
from sospes.model.errors import UsageError

EXAMPLE = "sospes handover @copy --live harbour --confirm harbour"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument(
        "side",
        metavar="SIDE-DATABASE",
        help="the side copy, by its URL or @profile; with --back any database of that server",
    )
    parser.add_argument("--live", metavar="NAME", required=True, help="the live database, by its name on that server")
    common.add_confirm(parser)
    parser.add_argument(
        "--back", action="store_true", help="put back what was live before, as the last handover kept it"
    )
    parser.add_argument("--dry-run", action="store_true", help="look, check and say, and change nothing")
    parser.add_argument(
        "--end-sessions", action="store_true", help="end the sessions of others on both databases, instead of refusing"
    )
    parser.add_argument(
        "--without-rows",
        action="store_true",
        help="don't look for rows that live has and the copy hasn't, which reads both databases",
    )
    parser.add_argument(
        "--timeout",
        type=common.positive,
        default=3600,
        metavar="SECONDS",
        help="how long one statement may take while rows are compared (default: %(default)s)",
    )


def run(args: argparse.Namespace) -> int:
    """Hand over, or back."""
    from sospes.report.handover import tell_handover
    from sospes.work.compare.matching import Comparing
    from sospes.work.handover.handover import Handover, hand_back, hand_over

    begin = time.perf_counter()
    side = common.place(args, args.side)
    if isinstance(side, Path):
        raise UsageError(f"{args.side}: is no database on a server", "name the side copy by its URL or @profile")
    with common.progress(args, "looking", []) as bar:
        comparing = Comparing(
            opening=common.opening(args), rows_only=True, limit=0, timeout_seconds=args.timeout, progress=bar
        )
        how = Handover(
            side=side,
            live=args.live,
            confirmed=_typed(args),
            now=datetime.now().astimezone(),
            comparing=None if args.without_rows else comparing,
            end_sessions=args.end_sessions,
            dry_run=args.dry_run,
            word=args.side,
        )
        outcome = hand_back(how) if args.back else hand_over(how)
    if not args.json:
        tell_handover(common.printer(args), outcome)
    return common.finish(args, [outcome], begin)


def _typed(args: argparse.Namespace) -> str | None:
    """The live name, given once more or typed at a terminal; None where it is neither."""
    if args.confirm is not None or args.dry_run or args.json or not (sys.stdin.isatty() and sys.stderr.isatty()):
        return str(args.confirm) if args.confirm is not None else None
    print(f"sospes: type the name of the live database to replace it ({args.live}): ", end="", file=sys.stderr)  # noqa: T201
    sys.stderr.flush()
    return sys.stdin.readline().strip() or None

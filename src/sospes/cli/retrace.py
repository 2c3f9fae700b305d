"""`sospes retrace`: what happened, when, and in which transaction."""

from __future__ import annotations

import argparse
import sys
import time
from pathlib import Path

from sospes.cli import common
from sospes.model.errors import UsageError
from sospes.model.retracing import OperationKind

EXAMPLE = "sospes retrace /srv/logs --with /srv/base --table crew --kind delete"
SHOWN = 20


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument(
        "places", nargs="+", type=Path, metavar="LOG", help="a file of a server's change log, or a folder of them"
    )
    parser.add_argument(
        "--with", dest="parts", action="append", default=[], type=Path, metavar="PLACE",
        help="a base backup of the same cluster, whose catalogs know the names of tables; or further logs",
    )  # fmt: skip
    parser.add_argument(
        "--live", metavar="URL", help="a live database of the same cluster, or a @profile: names of tables as of now"
    )
    parser.add_argument("--database", metavar="NAME", help="only what was done in this database")
    parser.add_argument(
        "--table",
        action="append",
        default=[],
        metavar="TABLE",
        help="only what was done to this table",
    )
    parser.add_argument(
        "--kind", action="append", default=[], type=_kinds, metavar="KIND",
        help=f"only this, may be given several times: {', '.join(OperationKind)}",
    )  # fmt: skip
    parser.add_argument(
        "--keys", action="store_true",
        help="tell the keys of some rows as well: of what was inserted, and of the rest where the server logged them",
    )  # fmt: skip
    common.add_hide_values(parser)
    parser.add_argument("--from", dest="from_", metavar="MOMENT", help=f"only from this moment on: {common.MOMENTS}")
    parser.add_argument("--to", metavar="MOMENT", help="only up to this moment and including it")


def run(args: argparse.Namespace) -> int:
    """Retrace."""
    from sospes.model.moments import read_moment
    from sospes.report.progress import ProgressBar
    from sospes.report.retrace import tell_retrace
    from sospes.sides.servers.address import Address
    from sospes.work.retrace.retrace import Retracing, Wanted, retrace

    begin = time.perf_counter()
    live = common.place(args, args.live) if args.live is not None else None
    if live is not None and not isinstance(live, Address):
        raise UsageError(f"{args.live}: is no address of a live database", "write postgresql://user@host/database")
    wanted = Wanted(
        tables=args.table,
        kinds=frozenset(kind for kinds in args.kind for kind in kinds),
        database=args.database,
        from_=read_moment(args.from_, before=False) if args.from_ is not None else None,
        to=read_moment(args.to, before=False) if args.to is not None else None,
        limit=SHOWN if args.limit is None else args.limit,
    )
    with ProgressBar(sys.stderr, "reading the log", None, args.quiet) as bar:
        how = Retracing(
            wanted=wanted,
            beside=args.parts,
            live=live,
            work_folder=args.work_folder,
            progress=bar,
            with_keys=args.keys and not args.hide_values,
        )
        outcome = retrace(args.places, how)
    if not args.json:
        tell_retrace(common.printer(args), outcome, narrow=wanted.is_narrow)
    return common.finish(args, [outcome], begin)


def _kinds(text: str) -> list[OperationKind]:
    """Kinds of operations, with commas between them."""
    wrong = [word for word in common.names(text) if word not in set(OperationKind)]
    if wrong or not text:
        raise argparse.ArgumentTypeError(
            f"{' '.join(wrong) or 'nothing'}: no kind; there are {', '.join(OperationKind)}"
        )
    return [OperationKind(word) for word in common.names(text)]

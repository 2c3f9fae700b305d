"""`sospes compare`: are the rows right?"""

from __future__ import annotations

import argparse
import time
from dataclasses import replace
from decimal import Decimal, InvalidOperation
from pathlib import Path
from typing import TYPE_CHECKING

from sospes.cli import common, comparing, recording, recovering
from sospes.model.errors import UsageError

if TYPE_CHECKING:
    from sospes.model.outcome import Outcome
    from sospes.work.compare.compare import Comparison

ROWS_LISTED = 10
"""Differing rows that are listed where nobody says how many."""

EXAMPLE = "sospes compare night.sql.gz expected.csv --table rescue.call_out"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument(
        "left",
        metavar="LEFT",
        help="what was recovered: a backup, a kept side copy, a CSV or JSON-lines file",
    )
    parser.add_argument(
        "right",
        metavar="RIGHT",
        help="what it should be: any of the same, a live database (postgresql://..., mariadb://..., @profile), "
        "a file of known figures (.toml), or a seal",
    )
    comparing.add_drift(parser, "later ones are drift, and counted apart")
    parser.add_argument(
        "--table",
        action="append",
        default=[],
        metavar="TABLE",
        help="compare this table only; may be given several times",
    )
    comparing.add_key_and_timeout(parser)
    _add_counting(parser)
    common.add_hide_values(parser)
    recovering.add_recovery(parser)
    recording.add_ledger(parser)


def _add_counting(parser: argparse.ArgumentParser) -> None:
    """What counts as a difference, and what is shown of it."""
    parser.add_argument(
        "--ignore",
        action="append",
        default=[],
        metavar="COLUMN",
        help="leave a column out; may be given several times",
    )
    parser.add_argument(
        "--within",
        action="append",
        type=_tolerance,
        default=[],
        metavar="COLUMN=TOLERANCE",
        help="let numbers be apart by TOLERANCE, times by so many seconds",
    )
    common.add_key(parser)
    parser.add_argument(
        "--exact",
        action="store_true",
        help="compare the values' very text: 1.5 and 1.50 differ then (default: what they mean)",
    )
    parser.add_argument(
        "--total",
        action="append",
        default=[],
        metavar="TABLE.COLUMN",
        help="show the control totals of this column of numbers even if they agree; may be given several times",
    )
    parser.add_argument(
        "--rows-only",
        action="store_true",
        help="compare rows, and leave out indexes, constraints, views, routines, triggers, rights and comments",
    )


def _tolerance(text: str) -> tuple[str, str]:
    column, mark, amount = text.rpartition("=")
    try:
        good = Decimal(amount) >= 0
    except InvalidOperation:
        good = False
    if not mark or not column or not good:
        raise argparse.ArgumentTypeError(f"{text!r} is not COLUMN=TOLERANCE with a number from 0 up")
    return column, amount


def run(args: argparse.Namespace) -> int:
    """Compare two sides."""
    from sospes.report.compare import tell_compare
    from sospes.work.compare.compare import compare
    from sospes.work.compare.known import compare_known, is_known

    begin = time.perf_counter()
    if args.exact and args.total:
        raise UsageError("--exact compares text, which has no sums", "leave --exact or --total away")
    with comparing.two_sides(args) as (left, right, common_how):
        how = replace(
            common_how,
            ignored=args.ignore,
            tolerance=dict(args.within),
            limit=ROWS_LISTED if args.limit is None else args.limit,
            hide=args.hide_values,
            rows_only=args.rows_only,
            exact=args.exact,
            totals=args.total,
        )
        if isinstance(right, Path) and is_known(right):
            outcome = compare_known(left, right, how, common.seal_key(args))
        else:
            outcome = compare(left, right, how)
    if isinstance(left, Path) and not (args.table or args.ignore):
        outcome = _recorded(args, outcome, left)
    if not args.json:
        tell_compare(common.printer(args), outcome, args.hide_values, args.total)
    return common.finish(args, [outcome], begin)


def _recorded(args: argparse.Namespace, outcome: Outcome[Comparison], left: Path) -> Outcome[Comparison]:
    """That a backup's rows agree is written down; of a side copy, or a file of rows, it is not.

    Where they don't agree, that says as much of the other side as of the backup, and is no proof of either.
    """
    from sospes.model.outcome import TableSummary
    from sospes.model.verdict import Rung
    from sospes.work.compare.sides.held import is_side_copy
    from sospes.work.look.heads import head_of

    if (
        Rung.MATCHED not in outcome.evidence
        or is_side_copy(left)
        or head_of([left], common.opening(args)).format is None
    ):
        return outcome
    tables = [
        TableSummary(
            database=table.database, schema=table.schema, name=table.name, columns=(), column_types=(),
            rows=table.left_rows,
        )
        for table in outcome.result.tables
    ]  # fmt: skip
    return recording.recorded(args, outcome, [left], tables, side=outcome.result.right)

"""What the commands share that compare two sides: options, and the sides."""

from __future__ import annotations

import argparse
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import datetime
from pathlib import Path
from typing import TYPE_CHECKING

from sospes.cli import common
from sospes.cli.recovering import recovered

if TYPE_CHECKING:
    from sospes.sides.servers.address import Address
    from sospes.work.compare.matching import Comparing


def add_drift(parser: argparse.ArgumentParser, what_for: str) -> None:
    """The options that tell changes made after the backup from others."""
    parser.add_argument(
        "--drift-by", metavar="COLUMN", help=f"column of live tables that says when a row was written: {what_for}"
    )
    parser.add_argument(
        "--written-at",
        type=_moment,
        metavar="TIME",
        help="when the backup was written, as 2026-11-22T03:00:00+00:00 (default: what the backup says)",
    )


def _moment(text: str) -> datetime:
    try:
        found = datetime.fromisoformat(text)
    except ValueError:
        found = None
    if found is None or found.tzinfo is None:
        raise argparse.ArgumentTypeError(f"{text!r} is no time with a zone, like 2026-11-22T03:00:00+00:00")
    return found


def add_key_and_timeout(parser: argparse.ArgumentParser) -> None:
    """The options of commands that compare rows, maybe with a live server's."""
    parser.add_argument(
        "--key",
        type=common.names,
        default=[],
        metavar="COLUMNS",
        help="columns that tell rows apart, with commas (default: the primary key)",
    )
    parser.add_argument(
        "--database",
        type=database_pair,
        metavar="NAME[=OTHER]",
        help="of a side with several databases, this one only; OTHER is what the right side calls it",
    )
    parser.add_argument(
        "--timeout",
        type=common.positive,
        default=3600,
        metavar="SECONDS",
        help="how long one statement on a live server may take (default: %(default)s)",
    )
    parser.add_argument(
        "--gentle", action="store_true", help="read a live server at half speed, and leave the other half to its users"
    )


def database_pair(text: str) -> tuple[str, str]:
    """A database's name on the left, and on the right."""
    one, mark, other = text.partition("=")
    if not one or (mark and not other):
        raise argparse.ArgumentTypeError(f"{text!r} is not NAME or NAME=OTHER")
    return one, other or one


@contextmanager
def two_sides(args: argparse.Namespace) -> Iterator[tuple[Path | Address, Path | Address, Comparing]]:
    """LEFT and RIGHT, and what all commands that compare them have in common, with a progress bar."""
    from sospes.work.compare.matching import Comparing

    left, right = common.place(args, args.left), common.place(args, args.right)
    files = [side for side in (left, right) if isinstance(side, Path)]
    wanted = args.database[0] if args.database else None
    with recovered(args, left, wanted), common.progress(args, "comparing", files) as bar:
        comparing = Comparing(
            opening=common.opening(args), tables=args.table, key=args.key, timeout_seconds=args.timeout,
            gentle=args.gentle, database=args.database, drift_by=args.drift_by, written_at=args.written_at,
            progress=bar,
        )  # fmt: skip
        yield left, right, comparing

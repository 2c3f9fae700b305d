"""What commands share that read a base backup's rows by a private server: options, and the server's time."""

from __future__ import annotations

import argparse
import sys
from collections.abc import Callable, Iterator
from contextlib import ExitStack, contextmanager
from pathlib import Path
from typing import TYPE_CHECKING

from sospes.cli import common
from sospes.model.errors import UsageError

if TYPE_CHECKING:
    from sospes.sides.servers.address import Address


def add_recovery(parser: argparse.ArgumentParser) -> None:
    """The options for backups that are whole clusters, and logs that follow them."""
    group = parser.add_argument_group("for base backups, whose rows come from a private server")
    common.add_parts(group)
    common.add_moments(group)
    add_server_bin(group)
    add_unconfined(group)


def add_server_bin(parser: argparse._ActionsContainer) -> None:
    """The option for the programs of a private server."""
    parser.add_argument("--server-bin", type=Path, metavar="DIR", help="the folder of the private server's programs")


def add_unconfined(parser: argparse._ActionsContainer) -> None:
    """The option for machines that have no walls."""
    parser.add_argument(
        "--unconfined",
        action="store_true",
        help="go on where the private server can't be walled off from this machine",
    )


@contextmanager
def recovered(args: argparse.Namespace, backup: Path | Address, database: str | None = None) -> Iterator[None]:
    """While it lasts, the rows of a physical copy come from a private server; for all else nothing happens.

    Raises UsageError for a moment, or parts, with what no log follows.
    """
    from sospes.formats.recovery import is_physical

    args.through = None
    if not isinstance(backup, Path) or not is_physical(backup):
        if args.until or args.before or args.parts:
            raise UsageError(f"{backup}: no log follows this form", NO_LOG)
        if args.server_bin or args.unconfined:
            raise UsageError("--server-bin and --unconfined go with base backups", "leave them away")
        yield
        return
    from sospes.report.progress import ProgressBar
    from sospes.work.restore.embedded import Rehearsing
    from sospes.work.restore.recover import recovered_copy

    with ExitStack() as stack:
        with ProgressBar(sys.stderr, "recovering", None, args.quiet) as bar:
            how = Rehearsing(
                opening=common.opening(args), server_bin=args.server_bin, walled=not args.unconfined,
                moment=common.moment(args), progress=bar, announce=announcing(args),
            )  # fmt: skip
            args.through = stack.enter_context(recovered_copy(backup, how, database))
        try:
            yield
        finally:
            args.through = None


def announcing(args: argparse.Namespace) -> Callable[[int | None, str], None]:
    """Says what a side copy will need, before it is made."""
    from sospes.report.words import size

    def announce(expected: int | None, where: str) -> None:
        if not args.quiet:
            needs = "of unknown size" if expected is None else f"of about {size(expected)}"
            print(f"sospes: expecting a side copy {needs} in {where}", file=sys.stderr)  # noqa: T201

    return announce


NO_LOG = "--with, --until and --before go with base backups"

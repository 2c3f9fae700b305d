"""The record of proofs, for commands: which file it is, and what goes into it; spans of time as options have them."""

from __future__ import annotations

import argparse
import os
from collections.abc import Sequence
from datetime import datetime, timedelta
from pathlib import Path
from typing import TYPE_CHECKING, Any

from sospes.cli import common

if TYPE_CHECKING:
    from sospes.model.outcome import Outcome, TableSummary
    from sospes.model.spans import Spread
    from sospes.work.ledger.store import Ledger


def add_ledger(parser: argparse.ArgumentParser) -> None:
    """Where proofs are written down."""
    parser.add_argument(
        "--ledger",
        type=Path,
        metavar="FILE",
        help="the record of what was proven (default: ledger.sqlite in the user's state folder)",
    )
    parser.add_argument(
        "--no-ledger", action="store_true", default=None, help="neither write into the record nor look into it"
    )


def ledger(args: argparse.Namespace) -> Ledger | None:
    """The ledger that these arguments name; None where none is wanted."""
    return None if args.no_ledger else opened_ledger(args)


def before_figures() -> None:
    """Figures keep what they know of fonts where the record lies, and say nothing where that can't be."""
    import logging
    import os

    logging.getLogger("matplotlib").setLevel(logging.ERROR)
    os.environ.setdefault("MPLCONFIGDIR", str(state_folder() / "figures"))


def opened_ledger(args: argparse.Namespace) -> Ledger:
    """The ledger that these arguments name."""
    from sospes.work.ledger.store import Ledger

    return Ledger(args.ledger or state_folder() / "ledger.sqlite")


def state_folder() -> Path:
    """Where this user's own records lie."""
    from platformdirs import user_state_path

    return Path(os.environ.get("XDG_STATE_HOME") or user_state_path()) / "sospes"


def recorded(
    args: argparse.Namespace, outcome: Outcome[Any], paths: Sequence[Path], tables: Sequence[TableSummary], **how: Any
) -> Outcome[Any]:
    """The outcome, written into the ledger; with notes of what is unusual beside the nights before."""
    book = ledger(args)
    if book is None:
        return outcome
    from sospes.work.ledger.recording import Recording, recorded

    now = datetime.now().astimezone()
    given = {"opening": common.opening(args), **how}
    return recorded(outcome, tables, Recording(ledger=book, command=args.command, paths=paths, now=now, **given))


def span(text: str) -> timedelta:
    """A span of time, as 26h or 7d."""
    from sospes.model.spans import span_of

    try:
        return span_of(text)
    except ValueError as error:
        raise argparse.ArgumentTypeError(str(error)) from error


def spread(text: str) -> Spread:
    """How backups are wanted to be spread over time."""
    from sospes.model.spans import spread_of

    try:
        return spread_of(text)
    except ValueError as error:
        raise argparse.ArgumentTypeError(str(error)) from error

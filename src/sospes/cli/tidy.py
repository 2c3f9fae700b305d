"""`sospes tidy`: list and drop side copies that were left behind, only those that Sospes made."""

from __future__ import annotations

import argparse
import tempfile
import time
from pathlib import Path

from sospes.cli import common

EXAMPLE = "sospes tidy --drop"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument("--drop", action="store_true", help="stop and delete what is listed, unless it is in use")


def run(args: argparse.Namespace) -> int:
    """Look in the work folder and in the system's temporary folder."""
    from sospes.report.tidy import tell_tidy
    from sospes.work.tidy import tidy

    begin = time.perf_counter()
    places = [args.work_folder] if args.work_folder else []
    outcome = tidy([*places, Path(tempfile.gettempdir())], args.drop)
    if not args.json:
        tell_tidy(common.printer(args), outcome)
    return common.finish(args, [outcome], begin)

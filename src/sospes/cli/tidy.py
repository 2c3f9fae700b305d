"""`sospes tidy`: list and drop side copies and files that were left behind, only those that Sospes made."""

from __future__ import annotations

import argparse
import tempfile
import time
from pathlib import Path

from sospes.cli import common
from sospes.model.errors import NotFound

EXAMPLE = "sospes tidy --drop"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument(
        "places", nargs="*", metavar="PLACE", help="a folder, or a server's URL or @profile, to look at as well"
    )
    parser.add_argument("--drop", action="store_true", help="stop and delete what is listed, unless it is in use")


def run(args: argparse.Namespace) -> int:
    """Look in the work folder, the system's temporary folder and the current one, and in the places named."""
    from sospes.report.tidy import tell_tidy
    from sospes.work.tidy import tidy

    begin = time.perf_counter()
    named = [common.place(args, word) for word in args.places]
    folders = [place for place in named if isinstance(place, Path)]
    if missing := [folder for folder in folders if not folder.is_dir()]:
        raise NotFound(f"{missing[0]}: no such folder", "check the path")
    folders += [args.work_folder] if args.work_folder else []
    servers = [place for place in named if not isinstance(place, Path)]
    outcome = tidy([*folders, Path(tempfile.gettempdir()), Path()], servers, args.drop)
    if not args.json:
        tell_tidy(common.printer(args), outcome)
    return common.finish(args, [outcome], begin)

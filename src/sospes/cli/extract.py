"""`sospes extract`: single tables out of a backup."""

from __future__ import annotations

import argparse
import sys
import time
from collections.abc import Sequence
from pathlib import Path
from typing import TYPE_CHECKING

from sospes.cli import common, recovering
from sospes.model.errors import UsageError

if TYPE_CHECKING:
    from sospes.model.outcome import Outcome
    from sospes.sides.servers.address import Address
    from sospes.work.extract.extract import Extraction
    from sospes.work.extract.reading import Extracting
    from sospes.work.putback.putback import PutBack

EXAMPLE = "sospes extract night.sql.gz rescue.call_out --out call_out.sql"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument("backup", type=common.stored, metavar="BACKUP", help="a backup file, or - for standard input")
    parser.add_argument(
        "tables",
        nargs="*",
        metavar="TABLE",
        help="exact name of a table, with its schema or database where it isn't the only one",
    )
    parser.add_argument(
        "--out",
        type=Path,
        metavar="FILE",
        help="where to write (default: standard output, the report goes to standard error then)",
    )
    parser.add_argument(
        "--as",
        dest="form",
        choices=["sql", "csv", "jsonl", "parquet"],
        default="sql",
        help="SQL script, CSV, JSON lines, or Parquet with the backup's types (default: %(default)s)",
    )
    _add_into(parser)
    parser.add_argument(
        "--with-drop", action="store_true", help="also write the backup's DROP statements for these tables"
    )
    parser.add_argument(
        "--csv-safe",
        action="store_true",
        help="with --as csv: put an apostrophe before cells that a spreadsheet would run as formulas",
    )
    parser.add_argument("--overwrite", action="store_true", help="replace an output file that exists")
    parser.add_argument("--all", action="store_true", help="all tables, with what belongs to them")
    common.add_salvage(parser)
    recovering.add_recovery(parser)
    common.add_seal(parser)
    common.add_pieces(parser)


def _add_into(parser: argparse.ArgumentParser) -> None:
    """What is said of the place that tables go into, instead of a file."""
    parser.add_argument(
        "--into",
        metavar="WHERE",
        help="put the tables there instead: a new embedded side copy, by its file; or a database on a server, by its "
        "URL or @profile, where tables that are gone come back whole",
    )
    parser.add_argument(
        "--new-name", metavar="NAME", help="with --into: what the table is called there, beside one that is there"
    )
    common.add_confirm(parser)
    parser.add_argument(
        "--dry-run",
        action="store_true",
        help="with --into a database: only write the script that would be run, to --out FILE or standard output",
    )
    parser.add_argument(
        "--with-dependants",
        action="store_true",
        help="with --into a database: also bring back views and routines that speak of the tables and are gone",
    )
    parser.add_argument(
        "--trust-backup",
        action="store_true",
        help="with --into a database: let routines of the backup run there while rows go in",
    )
    common.add_workers(parser, "with --into a database: connections, or helpers for indexes, at work at once")
    parser.add_argument(
        "--gentle", action="store_true", help="with --into a database: pause between blocks of rows, half of the time"
    )


def run(args: argparse.Namespace) -> int:
    """Extract tables from one backup."""
    from sospes.work.extract.extract import extract
    from sospes.work.extract.reading import Extracting

    begin = time.perf_counter()
    into = common.place(args, args.into) if args.into else None
    in_file = into if isinstance(into, Path) else None
    _check(args, in_file)
    paths = [args.backup, *args.pieces]
    with recovering.recovered(args, args.backup), common.progress(args, "extracting", paths) as progress:
        how = Extracting(
            opening=common.opening(args),
            tables=args.tables,
            form="side copy" if in_file else args.form,
            out=in_file or args.out,
            stream=None if args.out or (args.into and not args.dry_run) else sys.stdout.buffer,
            overwrite=args.overwrite,
            csv_safe=args.csv_safe,
            with_drop=args.with_drop,
            new_name=args.new_name,
            salvage=args.salvage,
            seal=common.seal_use(args),
            progress=progress,
        )
        outcome: Outcome[Extraction] | Outcome[PutBack]
        outcome = extract(paths, how) if into is None or in_file else _put_back(args, paths, how, into)
    return _told(args, outcome, how.out, begin)


def _put_back(
    args: argparse.Namespace, paths: Sequence[Path], how: Extracting, into: Path | Address
) -> Outcome[PutBack]:
    """Put the tables into a database on a server."""
    from sospes.sides.servers.landing import Pace
    from sospes.work.putback.choosing import Wanting
    from sospes.work.putback.putback import PuttingBack, put_back

    assert not isinstance(into, Path)  # files were seen to before
    wanting = Wanting(new_name=args.new_name, with_dependants=args.with_dependants, trusted=args.trust_backup)
    putting = PuttingBack(
        extracting=how,
        address=into,
        wanting=wanting,
        pace=Pace(workers=args.workers, gentle=args.gentle),
        confirmed=args.confirm,
        script=args.out,
        dry_run=args.dry_run,
        progress=how.progress,
    )
    return put_back(paths, putting)


def _told(
    args: argparse.Namespace, outcome: Outcome[Extraction] | Outcome[PutBack], out: Path | None, begin: float
) -> int:
    """Report, and list what is missing of a damaged table."""
    from sospes.report.extract import tell_extract, tell_put_back
    from sospes.report.printer import Printer
    from sospes.work.putback.putback import PutBack

    beside = out.with_name(out.name + ".missing.jsonl") if out else None
    listed = common.write_missing(args.missing or beside, outcome.result.missing)
    if not args.json:
        report = Printer(sys.stdout if out or (args.into and not args.dry_run) else sys.stderr, args.quiet)
        if isinstance(outcome.result, PutBack):
            tell_put_back(report, outcome, listed)
        else:
            tell_extract(report, outcome, listed)
    return common.finish(args, [outcome], begin)


def _check(args: argparse.Namespace, in_file: Path | None) -> None:
    """Options that don't go together."""
    live = args.into is not None and in_file is None
    if bool(args.tables) == args.all:
        raise UsageError("name tables, or give --all", "for example: " + EXAMPLE)
    if args.form != "sql" and args.into:
        raise UsageError("--into goes without --as", "leave it away, or leave --into away")
    if args.into and args.out and not args.dry_run:
        raise UsageError("--into goes without --out", "leave it away; with --dry-run it says where the script goes")
    if not live and (given := [name for name in _FOR_LIVE if getattr(args, name.strip("-").replace("-", "_"))]):
        raise UsageError(f"{given[0]} is for tables that go into a database", "give --into URL or --into @profile")
    if args.missing and not args.salvage:
        raise UsageError("--missing goes with --salvage", "give both, or neither")
    if args.new_name and (not args.into or len(args.tables) != 1):
        raise UsageError("--new-name is for one table that goes --into a place", "give one TABLE and --into WHERE")
    if args.json and not (args.out or (args.into and not args.dry_run)):
        raise UsageError("--json prints on standard output, so the rows can't go there", "add --out FILE")
    if args.form != "sql" and len(args.tables) != 1:
        raise UsageError(f"{args.form} takes one table a file", "run it once for each table, or use --as sql")


_FOR_LIVE = ("--confirm", "--dry-run", "--with-dependants", "--trust-backup", "--gentle")

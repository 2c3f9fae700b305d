"""`sospes extract`: single tables out of a backup."""

from __future__ import annotations

import argparse
import sys
import time
from pathlib import Path

from sospes.cli import common
from sospes.model.errors import UsageError

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
    parser.add_argument(
        "--into", type=Path, metavar="FILE", help="load the tables into a new embedded side copy instead"
    )
    parser.add_argument("--new-name", metavar="NAME", help="with --into: what the table is called there")
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
    common.add_seal(parser)
    common.add_pieces(parser)


def run(args: argparse.Namespace) -> int:
    """Extract tables from one backup."""
    from sospes.report.extract import tell_extract
    from sospes.report.printer import Printer
    from sospes.work.extract.extract import extract
    from sospes.work.extract.reading import Extracting

    begin = time.perf_counter()
    _check(args)
    paths = [args.backup, *args.pieces]
    with common.progress(args, "extracting", paths) as progress:
        how = Extracting(
            opening=common.opening(args),
            tables=args.tables,
            form="side copy" if args.into else args.form,
            out=args.into or args.out,
            stream=None if args.into or args.out else sys.stdout.buffer,
            overwrite=args.overwrite,
            csv_safe=args.csv_safe,
            with_drop=args.with_drop,
            new_name=args.new_name,
            salvage=args.salvage,
            seal=common.seal_use(args),
            progress=progress,
        )
        outcome = extract(paths, how)
    beside = how.out.with_name(how.out.name + ".missing.jsonl") if how.out else None
    listed = common.write_missing(args.missing or beside, outcome.result.missing)
    if not args.json:
        stream = sys.stdout if how.out else sys.stderr
        tell_extract(Printer(stream, args.quiet), outcome, listed)
    return common.finish(args, [outcome], begin)


def _check(args: argparse.Namespace) -> None:
    """Options that don't go together."""
    if bool(args.tables) == args.all:
        raise UsageError("name tables, or give --all", "for example: " + EXAMPLE)
    if args.into and (args.out or args.form != "sql"):
        raise UsageError("--into goes without --out and --as", "leave them away, or leave --into away")
    if args.missing and not args.salvage:
        raise UsageError("--missing goes with --salvage", "give both, or neither")
    if args.new_name and (not args.into or len(args.tables) != 1):
        raise UsageError("--new-name is for one table that goes --into a side copy", "give one TABLE and --into FILE")
    if args.json and not (args.out or args.into):
        raise UsageError("--json prints on standard output, so the rows can't go there", "add --out FILE")
    if args.form != "sql" and len(args.tables) != 1:
        raise UsageError(f"{args.form} takes one table a file", "run it once for each table, or use --as sql")

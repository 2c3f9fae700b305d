"""`sospes seal`: write a sidecar that proves a backup unchanged later, and lets parts of it be read quickly."""

from __future__ import annotations

import argparse
import sys
import time
from datetime import datetime
from pathlib import Path

from sospes.cli import common, recording

EXAMPLE = "sospes seal night.sql.gz"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument("backup", type=common.stored, metavar="BACKUP", help="a backup file, right after it was taken")
    parser.add_argument(
        "--out", type=Path, metavar="FILE", help="where to write the seal (default: beside the backup, as BACKUP.seal)"
    )
    parser.add_argument("--overwrite", action="store_true", help="replace a seal that exists")
    parser.add_argument(
        "--draft-figures", type=Path, metavar="FILE", help="also write a file of known figures to begin with"
    )
    common.add_key(parser)
    recording.add_ledger(parser)


def run(args: argparse.Namespace) -> int:
    """Seal one backup."""
    from sospes.model.outcome import TableSummary
    from sospes.report.seal import tell_seal
    from sospes.work.seal.making import Sealing, seal

    begin = time.perf_counter()
    with common.progress(args, "sealing", [args.backup]) as progress:
        opening = common.opening(args)
        how = Sealing(
            opening=opening,
            now=datetime.now().astimezone(),
            key=common.seal_key(args),
            out=args.out,
            overwrite=args.overwrite,
            draft=args.draft_figures,
            progress=progress,
        )
        outcome = seal(args.backup, how)
    tables = [
        TableSummary(
            database=table.database, schema=table.schema, name=table.name, columns=(), column_types=(), rows=table.rows
        )
        for table in outcome.result.tables
    ]
    outcome = recording.recorded(args, outcome, [args.backup], tables, passed=opening.passed)
    if not args.json:
        tell_seal(common.printer(args), outcome)
    sys.stdout.flush()
    return common.finish(args, [outcome], begin)

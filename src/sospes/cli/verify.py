"""`sospes verify`: read everything, find all damage."""

from __future__ import annotations

import argparse

from sospes.cli import common, recording

EXAMPLE = "sospes verify night.sql.gz"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument(
        "backups", nargs="+", type=common.stored, metavar="BACKUP", help="a backup file, or - for standard input"
    )
    parser.add_argument(
        "--values", action="store_true", help="check each value against its column's type, and keys and references"
    )
    parser.add_argument(
        "--quick", action="store_true", help="only check the bytes by the backup's seal, at about reading speed"
    )
    common.add_parts(parser)
    common.add_show_columns(parser)
    common.add_seal(parser)
    recording.add_ledger(parser)
    common.add_hide_values(parser)
    common.add_pieces(parser)


def run(args: argparse.Namespace) -> int:
    """Verify each backup in turn."""
    from sospes.report.describe import tell_verify
    from sospes.work.look.verify import verify

    return common.describe_each(args, verify, tell_verify)

"""`sospes rehearse`: does it restore?"""

from __future__ import annotations

import argparse
import time
from datetime import datetime
from pathlib import Path

from sospes.cli import common, recording, recovering
from sospes.model.errors import UsageError
from sospes.sides.servers.marks import PREFIX, is_prefix

EXAMPLE = "sospes rehearse night.sql.gz --keep"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument(
        "backup", nargs="?", type=common.stored, metavar="BACKUP", help="a backup file, or - for standard input"
    )
    parser.add_argument(
        "--side",
        metavar="WHERE",
        help="where the side copy is made: embedded, a SQLite file; private, a throw-away server of the backup's "
        "own engine; a URL or @profile, a new database on that server (default: embedded; private for base backups)",
    )
    common.add_parts(parser)
    common.add_moments(parser)
    parser.add_argument(
        "--server-bin", type=Path, metavar="DIR", help="with --side private: the folder of the server's programs"
    )
    parser.add_argument(
        "--name-prefix",
        type=_prefix,
        metavar="PREFIX",
        help=f"with a server: what the new database's name begins with (default: {PREFIX})",
    )
    parser.add_argument(
        "--trust-backup",
        action="store_true",
        help="with a server: restore even as a user whose rights reach outside of the new database",
    )
    parser.add_argument(
        "--unconfined",
        action="store_true",
        help="with --side private: go on where the server can't be walled off from this machine",
    )
    common.add_workers(parser, "with a server: connections by which rows and indexes go in")
    parser.add_argument(
        "--stop-at-first", action="store_true", help="with a server: end at the first statement that fails"
    )
    parser.add_argument(
        "--table",
        action="append",
        default=[],
        metavar="TABLE",
        help="load this table only; may be given several times",
    )
    parser.add_argument(
        "--keep",
        nargs="?",
        const="",
        metavar="FOLDER",
        help="keep the side copy: the file, in FOLDER, the work folder or else the current one; the new database; of a "
        "base backup the restored data directory, as the new FOLDER",
    )
    common.add_show_columns(parser)
    common.add_salvage(parser)
    recording.add_ledger(parser)
    common.add_pieces(parser)


def run(args: argparse.Namespace) -> int:
    """Rehearse one backup."""
    from sospes.formats.recovery import is_physical
    from sospes.report.rehearse import tell_rehearse
    from sospes.sides.servers.address import Address
    from sospes.work.restore.embedded import Rehearsing, rehearse
    from sospes.work.restore.recover import rehearse_by_recovery
    from sospes.work.restore.server import rehearse_on_server

    begin = time.perf_counter()
    _settle_keep(args)
    paths = [args.backup, *args.pieces]
    physical = is_physical(args.backup)
    args.side = args.side or ("private" if physical else "embedded")
    server = common.place(args, args.side)
    _check(args, server, physical=physical)

    keep = None if args.keep is None else Path(args.keep or args.work_folder or ".")
    with common.progress(args, "loading" if args.side == "embedded" else "restoring", paths) as progress:
        opening = common.opening(args)
        how = Rehearsing(
            opening=opening,
            tables=args.table,
            salvage=args.salvage,
            server_bin=args.server_bin,
            prefix=args.name_prefix or PREFIX,
            trusted=args.trust_backup,
            walled=not args.unconfined,
            workers=args.workers,
            stop_at_first=args.stop_at_first,
            keep=keep,
            now=datetime.now().astimezone(),
            moment=common.moment(args),
            progress=progress,
            announce=recovering.announcing(args),
        )
        if physical:
            outcome = rehearse_by_recovery(args.backup, how)
        elif args.side == "embedded":
            outcome = rehearse(paths, how)
        else:
            outcome = rehearse_on_server(paths, how, server if isinstance(server, Address) else None)
    tables = () if args.table or args.salvage else outcome.result.tables
    named = args.side if not isinstance(server, Address) else server.label
    outcome = recording.recorded(args, outcome, paths, tables, passed=opening.passed, side=named)
    side = outcome.result.side
    beside = Path(f"{side.location}.missing.jsonl") if side is not None and side.kept else None
    listed = common.write_missing(args.missing or beside, outcome.result.missing)
    if not args.json:
        tell_rehearse(common.printer(args), outcome, listed)
    return common.finish(args, [outcome], begin)


def _prefix(text: str) -> str:
    if not is_prefix(text):
        raise argparse.ArgumentTypeError(f"{text!r}: a lower-case letter, then at most 19 letters, digits, underscores")
    return text


def _check(args: argparse.Namespace, server: object, *, physical: bool) -> None:
    """Options that don't go together."""
    private = args.side == "private"
    if physical and not private:
        raise UsageError(
            f"{args.backup}: a base backup is files of a whole server: only a server of its own can have them",
            "leave --side away, or write --side private",
        )
    if not physical and (args.until or args.before or args.parts):
        raise UsageError(f"{args.backup}: no log follows this form", recovering.NO_LOG)
    shared = not private and args.side != "embedded"
    if shared and isinstance(server, Path):
        raise UsageError(
            f"{args.side}: no place for a side copy",
            "write embedded, private, postgresql://..., mariadb://..., or @name",
        )
    if (private or shared) and (args.salvage or args.table):
        raise UsageError(
            "a side copy on a server restores all of a backup",
            "leave --salvage and --table away, or use --side embedded",
        )
    if args.unconfined and not private:
        raise UsageError("--unconfined is for private servers", "add --side private, or leave it away")
    _check_keep(args, physical=physical, shared=shared)
    if args.side == "embedded" and (args.server_bin or args.stop_at_first or args.name_prefix or args.trust_backup):
        raise UsageError(
            "--server-bin, --stop-at-first, --name-prefix and --trust-backup go with a server",
            "add --side private or --side URL",
        )


def _settle_keep(args: argparse.Namespace) -> None:
    """A word behind --keep is the folder, unless it is all that there is: then it is the backup."""
    if args.backup is None and args.keep:
        args.backup, args.keep = common.stored(args.keep), ""
    if args.backup is None:
        raise UsageError("the following arguments are required: BACKUP", "sospes rehearse --help shows what there is")


def _check_keep(args: argparse.Namespace, *, physical: bool, shared: bool) -> None:
    """Where a side copy stays depends on what it is."""
    if args.keep is None:
        return
    if physical and not args.keep:
        raise UsageError("--keep of a base backup leaves a data directory", "name it: --keep FOLDER, a new one")
    if physical and (Path(args.keep).exists() or not Path(args.keep).absolute().parent.is_dir()):
        raise UsageError(
            f"{args.keep}: is there already, or lies in no folder", "name a new folder, in one that is there"
        )
    if args.side == "private" and not physical:
        raise UsageError("a private server is removed afterwards", "leave --keep away, or name a server by its URL")
    if shared and args.keep:
        raise UsageError("a new database is kept on its server", "write --keep without a folder, behind the backup")
    if args.keep and not physical and not Path(args.keep).is_dir():
        raise UsageError(f"{args.keep}: no such folder", "make it, or write --keep at the end of the line")

"""What the commands share: options, configuration, opening, reporting."""

from __future__ import annotations

import argparse
import difflib
import io
import re
import sys
import time
from collections.abc import Callable, Sequence
from dataclasses import replace
from pathlib import Path
from typing import TYPE_CHECKING, Any

from sospes.model.errors import CannotCheck, SospesError, UsageError

if TYPE_CHECKING:
    from sospes.formats.opening import Opening
    from sospes.model.moments import Moment
    from sospes.model.outcome import Description, Outcome
    from sospes.model.settings import Configuration, Defaults, Profile
    from sospes.report.printer import Printer
    from sospes.report.progress import ProgressBar
    from sospes.sides.servers.address import Address
    from sospes.work.extract.salvage import Missing
    from sospes.work.look.verify import Looking
    from sospes.work.seal.using import SealUse

_SETTINGS = {"work_folder": Path, "hide_values": bool, "quiet": bool, "ledger": Path, "no_ledger": bool}
_WORST_FIRST = (1, 2, 3, 0)
"""Of several backups the worst exit code wins."""
_SECRET = re.compile(r"[^/:@]*:[^/@]+@")


def add_common(parser: argparse.ArgumentParser) -> None:
    """Options that every command has."""
    group = parser.add_argument_group("for all commands")
    group.add_argument("--json", action="store_true", help="print one JSON document instead of text")
    group.add_argument(
        "--quiet", action="store_true", default=None, help="print the verdict and what is wrong, nothing else"
    )
    group.add_argument("--limit", type=positive, metavar="N", help="how many findings of a kind to list (default: 5)")
    group.add_argument("--config", type=Path, metavar="FILE", help="read settings from this TOML file")
    group.add_argument(
        "--work-folder",
        type=Path,
        metavar="FOLDER",
        help="where side copies and temporary data go (default: the system's temporary folder)",
    )
    group.add_argument("-vv", dest="trace", action="store_true", help="print a traceback for errors inside Sospes")


def add_pieces(parser: argparse.ArgumentParser) -> None:
    """The option for a backup that was split."""
    parser.add_argument(
        "--pieces", nargs="+", type=Path, default=[], metavar="FILE",
        help="further pieces of a backup that was split, in order",
    )  # fmt: skip
    parser.add_argument(
        "--unpack-ratio",
        type=positive,
        default=1000,
        metavar="BYTES",
        help="stop reading compressed data that unpack to more bytes than this for each stored one "
        "(default: %(default)s)",
    )


def add_parts(parser: argparse._ActionsContainer) -> None:
    """The option for what belongs to a backup and lies elsewhere."""
    parser.add_argument(
        "--with", dest="parts", action="append", default=[], type=Path, metavar="PLACE",
        help="further parts: archived logs, the backup that an incremental one builds on; a file or folder, may be "
        "given several times, told by what is in it",
    )  # fmt: skip


MOMENTS = "a time (UTC, where it names no zone), lsn=..., transaction=..., name=..."
"""How a moment is written."""


def add_moments(parser: argparse._ActionsContainer) -> None:
    """The options that name a moment in the logs."""
    group = parser.add_mutually_exclusive_group()
    group.add_argument("--until", metavar="MOMENT", help=f"up to this moment and including it: {MOMENTS}")
    group.add_argument("--before", metavar="MOMENT", help="up to this moment and not including it, as of a mistake")


def moment(args: argparse.Namespace) -> Moment | None:
    """The moment that is wanted; None for the newest one. Raises UsageError for what names none."""
    from sospes.model.moments import read_moment

    text = args.until or args.before
    return read_moment(text, before=args.until is None) if text is not None else None


def add_hide_values(parser: argparse.ArgumentParser) -> None:
    """The option that keeps the rows' values out of all output."""
    parser.add_argument(
        "--hide-values", action="store_true", default=None, help="keep the rows' values out of the output"
    )


def add_show_columns(parser: argparse.ArgumentParser) -> None:
    """The option for the tables' columns."""
    parser.add_argument("--show-columns", action="store_true", help="list the columns of each table as well")


def add_salvage(parser: argparse.ArgumentParser) -> None:
    """The options for damaged backups."""
    parser.add_argument(
        "--salvage", action="store_true", help="use what is sound of damaged tables, and list what is missing"
    )
    parser.add_argument(
        "--missing",
        type=Path,
        metavar="FILE",
        help="with --salvage: write the list of what is missing here, as JSON lines (default: the output's name "
        "and .missing.jsonl, or beside a kept side copy)",
    )


def write_missing(path: Path | None, missing: Sequence[Missing] | None) -> Path | None:
    """Write the list of what could not be used, if there is any; raises UsageError if the file is there already."""
    if path is None or not missing:
        return None
    import json
    from dataclasses import asdict

    from sospes.places.writing import opened_own

    try:
        with opened_own(path) as file:
            file.writelines(json.dumps(asdict(item)).encode() + b"\n" for item in missing)
    except FileExistsError as error:
        raise UsageError(f"{path}: is there already", "name another file with --missing FILE") from error
    return path


def add_workers(parser: argparse.ArgumentParser, what_for: str) -> None:
    """How many are at work at once."""
    import os

    parser.add_argument(
        "--workers",
        type=at_least_one,
        default=min(4, os.cpu_count() or 1),
        metavar="N",
        help=f"{what_for} (default here: %(default)s)",
    )


def add_confirm(parser: argparse.ArgumentParser) -> None:
    """The gesture of all commands that write to a live database."""
    parser.add_argument(
        "--confirm", metavar="NAME", help="the name of the live database that is to be changed, given once more"
    )


def add_key(parser: argparse.ArgumentParser) -> None:
    """The option for the key of a signed seal."""
    parser.add_argument(
        "--key-file",
        type=Path,
        metavar="FILE",
        help="key that signs seals, in a file that only its owner can read (default: the variable SOSPES_SEAL_KEY)",
    )


def add_seal(parser: argparse.ArgumentParser) -> None:
    """The options for using a seal."""
    parser.add_argument("--seal", type=Path, metavar="FILE", help="the backup's seal (default: BACKUP.seal, if there)")
    parser.add_argument("--no-seal", action="store_true", help="do without the seal that lies beside the backup")
    add_key(parser)


def seal_use(args: argparse.Namespace) -> SealUse:
    """Which seal these arguments ask for."""
    from sospes.work.seal.using import SealUse

    return SealUse(path=args.seal, ignore=args.no_seal, key=seal_key(args))


def seal_key(args: argparse.Namespace) -> bytes | None:
    """The key from the file that was named, or from the environment; None without either."""
    import os

    if args.key_file is None:
        return os.environ.get("SOSPES_SEAL_KEY", "").encode() or None
    try:
        mode = args.key_file.stat().st_mode
        key = args.key_file.read_bytes().strip()
    except OSError as error:
        raise CannotCheck(
            f"{args.key_file}: can't be read: {error.strerror}", "check the path and its rights"
        ) from error
    if mode & 0o077:
        raise UsageError(f"{args.key_file}: others may read this key", f"run: chmod 600 {args.key_file}")
    if not key:
        raise UsageError(f"{args.key_file}: the key is empty", "put a long random text into it")
    return bytes(key)


def names(text: str) -> list[str]:
    """Names with commas between them."""
    return [name.strip() for name in text.split(",") if name.strip()]


def positive(text: str) -> int:
    """A whole number from 0 up."""
    if not text.isdecimal():
        raise argparse.ArgumentTypeError(f"{text!r} is not a whole number from 0 up")
    return int(text)


def at_least_one(text: str) -> int:
    """A whole number from 1 up."""
    if not text.isdecimal() or int(text) == 0:
        raise argparse.ArgumentTypeError(f"{text!r} is not a whole number from 1 up")
    return int(text)


def apply_config(args: argparse.Namespace) -> None:
    """Fill options that were not given from the configuration file's table `defaults`."""
    settings = _defaults(args)
    for name, kind in _SETTINGS.items():
        if not hasattr(args, name):
            continue
        stated = getattr(settings, name, None)
        if getattr(args, name) is None and stated is not None:
            setattr(args, name, kind(stated))
        if getattr(args, name) is None and kind is bool:
            setattr(args, name, False)
    folder = args.work_folder
    if folder is not None and not folder.is_dir():
        raise UsageError(
            f"{folder}: the work folder is not there", "make it, or name another with --work-folder FOLDER"
        )


_CONFIGURED = "docs/configuration.md shows what may stand in it"


def configuration(path: Path | None) -> Configuration | None:
    """A configuration file; None where none was named. Raises UsageError for what may not stand in it."""
    if path is None:
        return None
    from sospes.model.settings import Configuration
    from sospes.places.toml import checked, read_toml

    content = read_toml(path, "configuration file", "check the path after --config")
    return checked(content, Configuration, str(path), _CONFIGURED)


def _defaults(args: argparse.Namespace) -> Defaults | None:
    found = configuration(args.config)
    if found is None:
        return None
    from sospes.model.settings import Defaults
    from sospes.places.toml import checked

    return checked(found.defaults, Defaults, f"{args.config}, [defaults]", _CONFIGURED)


def profile(args: argparse.Namespace, name: str) -> Profile:
    """The profile of that name. Raises UsageError where there is none, or where it says what it may not."""
    found = configuration(args.config)
    from sospes.model.settings import Profile
    from sospes.places.toml import checked

    profiles = found.profiles if found is not None else {}
    if not isinstance(profiles, dict):
        raise UsageError(f"{args.config}: profiles is no table", f"write [profiles.{name}]; {_CONFIGURED}")
    if name not in profiles:
        near = difflib.get_close_matches(name, profiles, n=3)
        raise UsageError(
            f"@{name}: no such profile with a url in the configuration file",
            f"did you mean @{', @'.join(near)}?"
            if near
            else f"write [profiles.{name}] with url = ... into it, and name it with --config FILE",
        )
    return checked(profiles[name], Profile, f"{args.config}, [profiles.{name}]", _CONFIGURED)


def place(args: argparse.Namespace, word: str) -> Path | Address:
    """A file, or the address of a server."""
    import os

    from sospes.sides.servers.address import address_of, is_address, read_address

    if word.startswith("@"):
        return address_of(word[1:], profile(args, word[1:]), os.environ)
    if is_address(word):
        return read_address(word, os.environ)
    if _SECRET.search(word) and not Path(word).exists():
        raise UsageError(
            "what looks like an address with a password is none that Sospes knows",
            "write postgresql://user@host/database or mariadb://...; passwords go into a profile or a file",
        )
    return stored(word)


def stored(word: str) -> Path:
    """The file that a word names: a path, `-`, or a SQLite file as an address, sqlite:///FILE."""
    from sospes.places.registry import file_at

    return file_at(word)


def opening(args: argparse.Namespace) -> Opening:
    """How backups are opened for these arguments."""
    from sospes.formats.opening import Opening
    from sospes.places.streamed import ReadOnce

    # unbuffered, as a thread that waits for more input would keep a buffer's lock beyond the program's end
    stdin = ReadOnce(io.FileIO(0, closefd=False))
    parts, through = tuple(getattr(args, "parts", ())), getattr(args, "through", None)
    how = Opening(work_folder=args.work_folder, stdin=stdin, parts=parts, through=through)
    if getattr(args, "no_ledger", True) is False:
        from sospes.stream.passing import PassedBytes

        how = replace(how, passed=PassedBytes())
    ratio = getattr(args, "unpack_ratio", None)
    return how if ratio is None else replace(how, unpack_ratio=ratio)


def grouped(paths: Sequence[Path], pieces: Sequence[Path]) -> list[list[Path]]:
    """Backups, each as its pieces: `--pieces` go to the last one, and files numbered in a row are one backup."""
    from sospes.places.pieces import follows

    groups: list[list[Path]] = []
    for path in paths:
        if groups and follows(groups[-1][-1], path) and not _is_backup(path):
            groups[-1].append(path)
        else:
            groups.append([path])
    groups[-1].extend(pieces)
    return groups


def _is_backup(path: Path) -> bool:
    """Whether a file is a backup by itself, by its first bytes: then it is no further piece."""
    from sospes.formats.opening import Opening
    from sospes.work.look.heads import begins_itself, open_head

    return not path.is_file() or begins_itself(open_head([path], Opening()))


def printer(args: argparse.Namespace) -> Printer:
    """The printer for text reports."""
    from sospes.report.printer import Printer

    return Printer(sys.stdout, args.quiet, limit=args.limit, columns=getattr(args, "show_columns", False))


def progress(args: argparse.Namespace, what: str, paths: Sequence[Path]) -> ProgressBar:
    """A progress bar over the stored bytes of a backup."""
    from sospes.report.progress import ProgressBar

    total = sum(path.stat().st_size for path in paths if path.is_file()) or None
    return ProgressBar(sys.stderr, what, total, args.quiet)


def describe_each(
    args: argparse.Namespace,
    job: Callable[[Sequence[Path], Looking], Outcome[Description]],
    tell: Callable[[Printer, Outcome[Description]], None],
) -> int:
    """Do one job on each backup in turn; one that can't be read does not keep the others from it."""
    from sospes.cli import recording
    from sospes.work.look.verify import not_carried_out

    begin = time.perf_counter()
    outcomes = []
    codes: list[int] = []
    groups = grouped(args.backups, args.pieces)
    for paths in groups:
        with progress(args, args.command, paths) as bar:
            how = looking(args, bar)
            try:
                outcome = job(paths, how)
                if hasattr(args, "no_ledger"):
                    tables = outcome.result.tables or ()
                    outcome = recording.recorded(args, outcome, paths, tables, passed=how.opening.passed)
            except (OSError, MemoryError):
                raise
            except Exception as error:
                if len(groups) == 1:
                    raise
                outcome = not_carried_out(str(paths[0]), error)
                codes.append(error.exit_code if isinstance(error, SospesError) else SospesError.exit_code)
            else:
                codes.append(outcome.verdict.exit_code)
        outcomes.append(outcome)
        if not args.json:
            tell(printer(args), outcome)
    finish(args, outcomes, begin)
    return next(code for code in _WORST_FIRST if code in codes)


def looking(args: argparse.Namespace, bar: ProgressBar | None) -> Looking:
    """How to look at a backup for these arguments."""
    from sospes.work.look.verify import Looking

    return Looking(
        opening=opening(args),
        progress=bar,
        values=getattr(args, "values", False),
        quick=getattr(args, "quick", False),
        seal=seal_use(args) if hasattr(args, "no_seal") else None,
        hide_values=bool(getattr(args, "hide_values", False)),
    )


def finish(args: argparse.Namespace, outcomes: Sequence[Outcome[Any]], begin: float) -> int:
    """Print the JSON document if it was asked for; the exit code."""
    from sospes.model.verdict import Verdict

    if args.json:
        from sospes.report.document import document

        names = [outcome.name for outcome in outcomes]
        print(document(args.command, outcomes, names, time.perf_counter() - begin))  # noqa: T201
    return max((outcome.verdict for outcome in outcomes), default=Verdict.SOUND).exit_code

"""The entry point: finds the command, runs it, turns verdicts and errors into exit codes."""

from __future__ import annotations

import argparse
import difflib
import gc
import importlib
import os
import re
import signal
import sys
import traceback
from collections.abc import Sequence
from contextlib import suppress
from types import FrameType, ModuleType
from typing import Any, NoReturn, TextIO, cast

from sospes import __version__
from sospes.cli.common import add_common, apply_config
from sospes.model.errors import SospesError, UsageError
from sospes.model.verdict import Verdict

COMMANDS = {
    "survey": "find the backups in folders, by what is in them: of which databases, how old, what is missing",
    "inspect": "say what a backup is, reading as little as possible",
    "verify": "read all of a backup, find and place all damage",
    "plan": "say which files a restore would need, in order, what is missing, and how far it would reach",
    "rehearse": "restore a backup to a side copy, check it, time it, drop it",
    "extract": "take single tables out of a backup",
    "seal": "write a sidecar that proves a backup unchanged later",
    "compare": "compare the rows of a backup with live, another backup, a side copy or a file",
    "mend": "write the statements that would bring lost or changed rows back",
    "retrace": "say from change logs what was done, when, to which table, and the last good moment before a mistake",
    "handover": "put a checked side copy in the live database's place, and keep the old one for the way back",
    "drill": "prove many backups in one unattended run, and report what was proven and what was not",
    "ledger": "show what has been proven, how long restores take, what has gone stale, what is unusual",
    "tidy": "list and drop side copies left behind, only those that Sospes made",
    "demo": "show all of it on made-up backups, without a server or a network",
}
INTERRUPTED = 130


def run() -> int:
    """The program's work, for the words that it was called with; its exit code."""
    if "_ARGCOMPLETE" in os.environ:
        complete()
    gc.set_threshold(1_000_000, 20, 20)  # rows come and go by the thousand and never form cycles
    return main(sys.argv[1:])


def _interrupted(_signal: int, _frame: FrameType | None) -> None:
    raise KeyboardInterrupt


def main(arguments: Sequence[str]) -> int:
    """Run one command; the exit code of the contract."""
    wanted = next((word for word in arguments if not word.startswith("-")), None)
    sys.stdout = cast(TextIO, _Patient(sys.stdout))
    try:
        _be_interruptible()
        parser, module = _parser(wanted)
        args = parser.parse_args(arguments)
        if module is None:
            parser.print_help()
            return 2
        apply_config(args)
        code: int = module.run(args)
        sys.stdout.flush()
        return code
    except SospesError as error:
        return _failed(arguments, wanted, error)
    except KeyboardInterrupt:
        return _ended()
    except (OSError, MemoryError) as error:
        return _failed(arguments, wanted, _environment_error(error))
    except Exception as error:
        if _came_of_interruption(error):
            return _ended()
        if "-vv" in arguments:
            traceback.print_exc()
        problem = f"an error inside Sospes: {type(error).__name__}: {error}"
        return _failed(
            arguments,
            wanted,
            SospesError(problem, "nothing is proven by this run; run it with -vv and report what it prints"),
        )
    finally:
        sys.stdout = sys.stdout.stream if isinstance(sys.stdout, _Patient) else sys.stdout


def _ended() -> int:
    print("sospes: interrupted; nothing was left behind half written", file=sys.stderr)  # noqa: T201
    return INTERRUPTED


def _came_of_interruption(error: BaseException | None) -> bool:
    """Whether an error only wraps an interruption, as Python does while a class is being made."""
    while error is not None and not isinstance(error, KeyboardInterrupt):
        error = error.__cause__ or error.__context__
    return error is not None


def _be_interruptible() -> None:
    """From here on an interruption is answered; before, the program's start ends itself."""
    for ending in (signal.SIGINT, signal.SIGTERM, signal.SIGHUP):  # a closed terminal cleans up as well
        if signal.getsignal(ending) not in {signal.SIG_IGN, signal.SIG_DFL, None}:
            signal.signal(ending, _interrupted)


class _Patient:
    """Standard output whose reader may go away, or that may fill up: the work goes on, and its verdict counts."""

    def __init__(self, stream: TextIO) -> None:
        self.stream = stream

    def __getattr__(self, name: str) -> Any:
        return getattr(self.stream, name)

    def write(self, text: str) -> int:
        """Write, unless nobody reads any more."""
        try:
            return self.stream.write(text)
        except BrokenPipeError:
            self._let_go()
            return len(text)
        except OSError:
            self._let_go()
            raise

    def flush(self) -> None:
        """Send on what was written."""
        try:
            self.stream.flush()
        except BrokenPipeError:
            self._let_go()
        except OSError:
            self._let_go()
            raise

    def _let_go(self) -> None:
        """What is still to come goes nowhere, so that closing the stream is no error either."""
        os.dup2(os.open(os.devnull, os.O_WRONLY), self.stream.fileno())


def _environment_error(error: OSError | MemoryError) -> SospesError:
    if isinstance(error, MemoryError):
        return SospesError("there is not enough memory", "end other programs, or run this on a larger machine")
    where = f"{error.filename}: " if error.filename else ""
    if error.errno == 28:
        return SospesError(
            f"{where}the disk is full",
            "make room, or name another place with --work-folder FOLDER or --out FILE",
        )
    return SospesError(f"{where}{error.strerror or error}", "check the path and the rights to it")


def _failed(arguments: Sequence[str], command: str | None, error: SospesError) -> int:
    from sospes.report.words import shown

    print(f"sospes: {shown(error.problem)}", file=sys.stderr)  # noqa: T201
    if error.hint:
        print(f"  next: {shown(error.hint)}", file=sys.stderr)  # noqa: T201
    if "--json" in arguments:
        from sospes.report.document import failure

        with suppress(OSError):  # standard output may be what failed
            print(failure(command or "", error.problem, error.hint, Verdict.UNPROVEN))  # noqa: T201
            sys.stdout.flush()
    return error.exit_code


class _Parser(argparse.ArgumentParser):
    """Wrong words are told like any other error: what is wrong, and what was probably meant."""

    def error(self, message: str) -> NoReturn:
        """Raises UsageError with near names for mistyped options and commands."""
        commands = [parser for action in self._actions if action.choices and isinstance(action.choices, dict)
                    for parser in action.choices.values()]  # fmt: skip
        known = [
            option for parser in (self, *commands) for action in parser._actions for option in action.option_strings
        ]
        known += COMMANDS if commands else []
        wrong = _WRONG.search(message)
        near = difflib.get_close_matches(wrong[1] or wrong[2], known, n=3) if wrong else []
        raise UsageError(
            message, f"did you mean {', '.join(near)}?" if near else f"{self.prog} --help shows what there is"
        )


_WRONG = re.compile(r"unrecognized arguments: (\S+?)(?:=\S*)?(?:\s|$)|invalid choice: '([^']+)'")


def whole_parser() -> argparse.ArgumentParser:
    """The parser with all commands and their options, for the manual."""
    parser, _ = _parser(None, whole=True)
    return parser


def complete() -> None:
    """Answer a shell that asks how a line goes on; ends the program. The library for that is an extra."""
    import argcomplete

    from sospes.cli.completing import add_completers

    words = os.environ.get("COMP_LINE", "").split()[1:]
    parser, _ = _parser(next((word for word in words if word in COMMANDS), None))
    add_completers(parser)
    argcomplete.autocomplete(parser)


def _parser(wanted: str | None, *, whole: bool = False) -> tuple[argparse.ArgumentParser, ModuleType | None]:
    """The parser; only the wanted command's module is loaded, which keeps the start fast, or all of them."""
    parser = _Parser(
        prog="sospes",
        description="Checks that database backups are intact and restorable, and brings single tables back.",
        epilog="example: sospes verify night.sql.gz",
    )
    parser.add_argument("--version", action="version", version=f"sospes {__version__}")
    subparsers = parser.add_subparsers(dest="command", metavar="COMMAND", title="commands")
    found = None
    for name, summary in COMMANDS.items():
        if name != wanted and not whole:
            subparsers.add_parser(name, help=summary)
            continue
        found = importlib.import_module(f"sospes.cli.{name}")
        command = subparsers.add_parser(
            name,
            help=summary,
            description=summary[0].upper() + summary[1:] + ".",
            epilog=f"example: {found.EXAMPLE}",
            formatter_class=_FirstLine,
        )
        found.configure(command)
        add_common(command)
    return parser, found


class _FirstLine(argparse.HelpFormatter):
    """Help that begins with what the command is for, and comes to the usage after it."""

    def format_help(self) -> str:
        text = super().format_help()
        usage, _, rest = text.partition("\n\n")
        purpose, _, options = rest.partition("\n\n")
        return f"{purpose}\n\n{usage}\n\n{options}"

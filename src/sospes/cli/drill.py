"""`sospes drill`: the unattended run over many backups."""

from __future__ import annotations

import argparse
import io
import os
import random
import sys
import time
from collections.abc import Callable
from dataclasses import replace
from datetime import datetime
from pathlib import Path
from typing import TYPE_CHECKING

from sospes.cli import common, recording

if TYPE_CHECKING:
    from sospes.model.findings import Finding
    from sospes.model.outcome import Outcome
    from sospes.work.drill.drill import Drilled
    from sospes.work.drill.plan import Plan
    from sospes.work.drill.proving import TargetResult

EXAMPLE = "sospes drill night.toml --html drill.html"


def configure(parser: argparse.ArgumentParser) -> None:
    """Declare the options."""
    parser.add_argument("drill", type=Path, metavar="FILE", help="what to prove, as TOML: docs/drill.md")
    parser.add_argument(
        "--only", action="append", default=[], metavar="NAME",
        help="run this target only; NAME may hold * and ?; may be given several times",
    )  # fmt: skip
    parser.add_argument(
        "--due", type=recording.span, metavar="SPAN", help="leave out what was proven within so long, as 7d"
    )
    parser.add_argument(
        "--dry-run",
        action="store_true",
        help="say what would be run, and how much space and time it is expected to take",
    )
    parser.add_argument(
        "--workers", type=common.at_least_one, metavar="N", help="targets at a time (default: what the file says, or 1)"
    )
    parser.add_argument(
        "--max-seconds", type=common.at_least_one, metavar="SECONDS",
        help="end in good order after so long; what was not proven by then is told",
    )  # fmt: skip
    parser.add_argument("--fresh", action="store_true", help="read all heads anew, also of files that haven't changed")
    reports = parser.add_argument_group("reports, in place of those that the file names")
    for name, what in _REPORTS.items():
        reports.add_argument(f"--{name}", type=Path, metavar="FILE", help=f"write {what}")
    parser.add_argument("--no-send", action="store_true", help="send no mail, and nothing to a web address")
    recording.add_ledger(parser)


_REPORTS = {
    "html": "one page for people",
    "junit": "JUnit XML",
    "metrics": "OpenMetrics text, for a collector's folder",
    "json-lines": "one JSON document a line",
}


def run(args: argparse.Namespace) -> int:
    """Run a drill."""
    from sospes.places.writing import require_free
    from sospes.report.drill.terminal import tell_drill
    from sospes.work.drill.drill import Drilling, drill
    from sospes.work.drill.plan import read_plan
    from sospes.work.drill.running import Runner

    begin = time.perf_counter()
    plan = read_plan(args.drill)
    for name, path in _paths(args, plan).items():
        require_free(path, overwrite=True, advice=_elsewhere(name))  # before a night is spent
    book = recording.ledger(args)
    runner = Runner(_for_all(args, plan, None if book is None else book.path))
    how = Drilling(
        opening=common.opening(args),
        ledger=book,
        runner=runner,
        state=recording.state_folder(),
        now=datetime.now().astimezone(),
        only=args.only,
        due=args.due,
        dry=args.dry_run,
        workers=args.workers,
        max_seconds=args.max_seconds,
        fresh=args.fresh,
        lots=random.Random(),
        told=_teller(args),
    )
    outcome = drill(plan, how)
    if not args.dry_run:
        outcome = _reported(args, plan, outcome)
    if not args.json:
        tell_drill(common.printer(args), outcome)
    return common.finish(args, [outcome], begin)


def _for_all(args: argparse.Namespace, plan: Plan, ledger: Path | None) -> list[str]:
    """What every command of the drill is told as well."""
    words = ["--no-ledger"] if ledger is None else ["--ledger", str(ledger)]
    if args.config is not None:
        words += ["--config", str(args.config)]
    if args.work_folder is not None:
        words += ["--work-folder", str(args.work_folder)]
    return words


def _teller(args: argparse.Namespace) -> Callable[[str, TargetResult | None], None]:
    """Says on standard error how far the drill has come."""

    def tell(name: str, result: TargetResult | None) -> None:
        if not args.quiet:
            said = f"{name} ..." if result is None else f"{name}: {result.verdict}, {result.reason}"
            print(f"sospes: {said}", file=sys.stderr)  # noqa: T201

    return tell


def _reported(args: argparse.Namespace, plan: Plan, outcome: Outcome[Drilled]) -> Outcome[Drilled]:
    """Write the reports, then send word; what could not be written or sent goes into the reports as well."""
    paths = _paths(args, plan)
    outcome = replace(outcome, result=replace(outcome.result, reports=tuple(map(str, paths.values()))))
    lost = _write(paths, outcome)
    lost += [] if args.no_send else _sent(plan, _with(outcome, lost))
    if lost:
        outcome = _with(outcome, lost)
        _write(paths, outcome)
    return outcome


def _with(outcome: Outcome[Drilled], lost: list[Finding]) -> Outcome[Drilled]:
    """The outcome, with what could not be written or sent."""
    return replace(
        outcome, findings=(*outcome.findings, *lost), result=replace(outcome.result, unsent=tuple(lost))
    )  # fmt: skip


def _paths(args: argparse.Namespace, plan: Plan) -> dict[str, Path]:
    """Where each report goes."""
    found = {}
    for name in _REPORTS:
        key = name.replace("-", "_")
        named = getattr(args, key) or getattr(plan.reports, key)
        if named is not None:
            found[name] = named if getattr(args, key) else plan.folder / Path(named).expanduser()
    return found


def _elsewhere(name: str) -> str:
    return f"name another file with --{name} FILE"


def _write(paths: dict[str, Path], outcome: Outcome[Drilled]) -> list[Finding]:
    """Write the reports beside their places, and rename them: a reader meets the old one or the new one, whole.

    What can't be written costs no other report; it is given back.
    """
    from sospes.model.errors import SospesError
    from sospes.model.findings import doubt
    from sospes.places.writing import require_free, write_whole
    from sospes.report.drill import page, programs

    recording.before_figures()
    lost = []
    makers = {
        "html": page.page, "junit": programs.junit, "metrics": programs.metrics, "json-lines": programs.json_lines,
    }  # fmt: skip
    for name, path in paths.items():
        try:
            require_free(path, overwrite=True, advice=_elsewhere(name))
            write_whole(path, [makers[name](outcome)], _elsewhere(name))
        except SospesError as error:
            lost.append(doubt("not-written", error.problem, error.hint))
        except Exception as error:  # a defect of ours, or of what draws: the night's work is not lost for it
            problem = f"{path}: an error inside Sospes: {type(error).__name__}: {error}"
            lost.append(doubt("not-written", problem, "please report this; the other reports are written all the same"))
    return lost


def _sendable(text: str) -> str:
    """Text that can be sent: names of files may hold bytes that are no characters."""
    return text.encode("utf-8", "replace").decode()


def _sent(plan: Plan, outcome: Outcome[Drilled]) -> list[Finding]:
    """Send word to those who want it; what could not be sent."""
    from sospes.report.document import document
    from sospes.report.drill.page import mail_page
    from sospes.report.drill.summing import is_trouble, subject
    from sospes.report.drill.terminal import tell_drill
    from sospes.report.printer import Printer
    from sospes.work.drill.sending import Letter, mailed, posted

    unsent = []
    if plan.mail is not None and (plan.mail.when == "always" or is_trouble(outcome)):
        text = io.StringIO()
        tell_drill(Printer(text), outcome)
        letter = Letter(subject=_sendable(subject(outcome)), plain=_sendable(text.getvalue()),
                        html=_sendable(mail_page(outcome)))  # fmt: skip
        unsent.append(mailed(plan.mail, letter, plan.folder, os.environ))
    if plan.webhook is not None and (plan.webhook.when == "always" or is_trouble(outcome)):
        said = document("drill", [outcome], [outcome.name], outcome.seconds).encode("utf-8", "replace")
        unsent.append(posted(plan.webhook, said, os.environ))
    return [finding for finding in unsent if finding is not None]

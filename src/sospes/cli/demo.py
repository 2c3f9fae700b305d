"""`sospes demo`: the full example, on made-up backups that ship with the program."""

from __future__ import annotations

import argparse
import contextlib
import io
import json
import shutil
import sys
import time
from collections.abc import Iterator
from dataclasses import dataclass
from importlib import resources
from pathlib import Path

from sospes import __version__
from sospes.cli import common
from sospes.cli.standins import MailBox
from sospes.model.errors import CannotCheck

EXAMPLE = "sospes demo"
_MOST_FOLDERS = 1000


@dataclass(frozen=True, slots=True)
class Step:
    """One command of the demo: what it is for, its words, the exit code to expect, and what it showed."""

    purpose: str
    words: tuple[str, ...]
    expected: int
    showed: str
    needs_server: bool = False


STEPS = (
    Step(
        "Last night's backup lies there. What is it?",
        ("inspect", "night.sql.gz"),
        0,
        "Only the header was read: engine, versions, times. Whether the file is whole it can't know yet.",
    ),
    Step(
        "Is it intact?",
        ("verify", "night.sql.gz"),
        0,
        "Every byte was read: checksums, statements, each row's shape, the closing line. It is intact.",
    ),
    Step(
        "The copy on the other disk ended early. Does it show?",
        ("verify", "night-cut.sql.gz"),
        1,
        "The file was cut off. The report says in which row of which table, and what could still be read.",
    ),
    Step(
        "A third copy was damaged: single bits are flipped in it.",
        ("verify", "night-flipped.sql"),
        1,
        "Two rows have lost their shape, and both are named. The other tables are not touched.",
    ),
    Step(
        "Does the good one restore?",
        ("rehearse", "night.sql.gz"),
        0,
        "All rows went into a side copy, all keys held, the copy was dropped. What it can't try is listed.",
    ),
    Step(
        "Does it restore on its own engine? A throw-away PostgreSQL server is started for it, if one is installed.",
        ("rehearse", "night.sql.gz", "--side", "private"),
        0,
        "Every statement ran as its kind allows, the engine's own checks passed, and the server is gone again.",
        needs_server=True,
    ),
    Step(
        "What can still be had of the damaged copy?",
        ("extract", "night-flipped.sql", "rescue.call_out", "--salvage", "--out", "saved.sql"),
        1,
        "All but two rows were saved. The list beside the output names the lost ones, by the keys around them.",
    ),
    Step(
        "Seal the good backup, so that any change shows later.",
        ("seal", "night.sql.gz"),
        0,
        "The seal holds digests, row counts, control totals, and points where reading can begin.",
    ),
    Step(
        "Is it still the same, a month later?",
        ("verify", "--quick", "night.sql.gz"),
        0,
        "Only the bytes were compared with the seal, at reading speed.",
    ),
    Step(
        "One table is needed back, and nothing else.",
        ("extract", "night.sql.gz", "rescue.crew", "rescue.station", "--out", "crew.sql"),
        0,
        "crew.sql holds two tables with their keys, in an order that loads on the original engine.",
    ),
    Step(
        "Somebody made mistakes on live this morning. Which?",
        ("compare", "night.sql.gz", "live-morning.sql.gz", "--limit", "5"),
        1,
        "Three causes behind 688 rows: a column set everywhere, a range of keys gone, empty text made NULL.",
    ),
    Step(
        "Write the statements that would undo those mistakes.",
        ("mend", "night.sql.gz", "live-morning.sql.gz", "--out", "fix.sql", "--undo", "undo.sql"),
        0,
        "fix.sql changes exactly the rows that were seen, or nothing; undo.sql is the way back. Neither was run.",
    ),
    Step(
        "The watch officer noted some control totals last night. Do they hold?",
        ("compare", "night.sql.gz", "figures.toml"),
        0,
        "A row count within bounds, two exact sums, the newest call-out, and the station's own name: all as noted.",
    ),
    Step(
        "The kit checks were noted as a CSV file. Do they agree with the backup?",
        ("compare", "night.sql.gz", "kit_check-expected.csv", "--table", "rescue.kit_check"),
        0,
        "Every row of the backup agrees with what was expected.",
    ),
    Step(
        "Another server has a base backup of 03:00, and its log since. Somebody deleted kit checks. Who, and when?",
        ("retrace", "cluster/logs", "--with", "cluster/base", "--table", "rescue.kit_check", "--kind", "delete"),
        0,
        "One transaction, at 09:31. The moment before it is told, to be pasted.",
    ),
    Step(
        "Bring that table back as it stood just before; a server of the backup's version, 15, goes through the log.",
        (
            "extract",
            "cluster/base",
            "rescue.kit_check",
            "--with",
            "cluster/logs",
            "--before",
            "transaction=745",
            "--out",
            "kit.sql",
        ),
        0,
        "The log was applied up to that transaction and without it; the table was taken out, and the server is gone.",
        needs_server=True,
    ),
    Step(
        "What lies in this folder, as a night's job would find it?",
        ("survey", "."),
        0,
        "All of it was told by its content. Only heads were read: that a copy ends early shows when it is read.",
    ),
    Step(
        "And all of that by itself, every night, with a page and a letter at the end.",
        ("drill", "drill.toml"),
        1,
        "Three targets, each with its own reason: proven, cut off, nowhere to be found. drill.html is the page.",
    ),
    Step(
        "What has been proven by now?",
        ("ledger",),
        0,
        "Every command above has written down what it proved, by the digest of the bytes.",
    ),
)
_RECORDED = frozenset("survey verify rehearse seal compare drill ledger".split())
"""Commands that write into the record, or read it: in the demo it is one of its own."""

_PORT = b"port = 2525"
"""What stands in the drill's file for the port of the mail server."""


def configure(parser: argparse.ArgumentParser) -> None:
    """The demo takes no options of its own."""


def run(args: argparse.Namespace) -> int:
    """Run every step in a new folder, and say what each showed."""
    begin = time.perf_counter()
    folder = _new_folder(args.work_folder or Path())
    with MailBox() as box:
        results = _shown(args, folder, box)
    good = all(result["exit_code"] == result["expected"] for result in results)
    if args.json:
        _print_document(good, results, folder, time.perf_counter() - begin)
    else:
        printer = common.printer(args)
        printer.line()
        took = f"{time.perf_counter() - begin:.1f} s"
        printer.line(f"The demo {'showed all it should' if good else 'FAILED'}, in {took}. Its files are in {folder}")
    return 0 if good else 1


def _shown(args: argparse.Namespace, folder: Path, box: MailBox) -> list[dict[str, object]]:
    """Every step, with what came of it."""
    with resources.as_file(resources.files("sospes") / "demo") as shipped:
        shutil.copytree(shipped, folder, dirs_exist_ok=True, copy_function=shutil.copyfile)
    drill = folder / "drill.toml"
    drill.write_bytes(drill.read_bytes().replace(_PORT, b"port = %d" % box.port))
    steps = [step for step in STEPS if not step.needs_server or _has_server()]
    results = []
    for number, step in enumerate(steps, 1):
        results.append({**_step(step, number, folder, args), "expected": step.expected})
        if box.letters and not args.json:
            letter = box.letters.pop()
            common.printer(args).line(f"A letter came to {letter['To']}: {letter['Subject']}", style="italic")
    return results


def _has_server() -> bool:
    """Whether a PostgreSQL server that takes the demo's backups is on this machine."""
    from sospes.model.entries import Engine
    from sospes.sides.registry import server_of
    from sospes.sides.servers.binaries import find_binaries

    try:
        find_binaries(server_of(Engine.POSTGRESQL).installed, (15,), None)
    except CannotCheck:
        return False
    return True


def _new_folder(where: Path) -> Path:
    for number in range(1, _MOST_FOLDERS):
        folder = where / ("sospes-demo" if number == 1 else f"sospes-demo-{number}")
        with contextlib.suppress(FileExistsError):
            folder.mkdir()
            return folder
    raise FileExistsError(17, "too many demo folders", str(where))


def _step(step: Step, number: int, folder: Path, args: argparse.Namespace) -> dict[str, object]:
    from sospes.cli.main import main

    words = [_placed(word, folder) for word in step.words]
    if words[0] in _RECORDED:
        words += ["--ledger", str(folder / "ledger.sqlite")]
    if args.json:
        with _captured() as captured:
            code = main([*words, "--json", "--quiet"])
        document = json.loads(captured.getvalue())
        return {
            "command": " ".join(step.words),
            "exit_code": code,
            "verdict": document["verdict"],
            "showed": step.showed,
        }
    printer = common.printer(args)
    printer.line()
    printer.line(f"{number}. {step.purpose}", style="bold")
    printer.line(f"$ sospes {' '.join(words)}", style="cyan")
    code = main([*words, *(["--quiet"] if args.quiet else [])])
    printer.line(f"-> exit code {code}. {step.showed}", style="italic")
    return {"exit_code": code}


def _placed(word: str, folder: Path) -> str:
    """File names stand for files in the demo's folder."""
    if word == ".":
        return str(folder)
    is_file = word.endswith((".gz", ".sql", ".csv", ".toml")) or word.startswith("cluster/")
    return str(folder / word) if is_file else word


@contextlib.contextmanager
def _captured() -> Iterator[io.StringIO]:
    text = io.StringIO()
    with contextlib.redirect_stdout(text):
        yield text


def _print_document(good: bool, results: list[dict[str, object]], folder: Path, seconds: float) -> None:
    document: dict[str, object] = {
        "sospes": __version__, "command": "demo", "verdict": "sound" if good else "unsound", "rung": None,
        "seconds": round(seconds, 4), "backups": [], "findings": [], "evidence": [],
        "result": {"folder": str(folder), "steps": results},
    }  # fmt: skip
    json.dump(document, sys.stdout, indent=2, ensure_ascii=False)
    sys.stdout.write("\n")

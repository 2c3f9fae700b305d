"""Runs a command of the program in a process of its own, and takes the document that it prints.

So each step has its own memory, its own time and its own clean-up, and one that fails, or is killed, stops no other.
"""

from __future__ import annotations

import json
import subprocess
import sys
import tempfile
import threading
import time
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Any

from sospes.model.findings import Finding, Place, doubt
from sospes.model.verdict import Rung, Severity

GRACE_SECONDS = 60.0
"""How long a process that was told to end may take for it, before it is killed."""

TOLD_BYTES = 600
"""Bytes of a process's last words that are told."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Ran:
    """What came of one command. `words` are those that somebody would type to see for himself."""

    words: tuple[str, ...]
    code: int | None
    seconds: float
    findings: tuple[Finding, ...]
    evidence: tuple[Rung, ...]
    result: dict[str, Any]

    @property
    def command(self) -> str:
        """The command's name."""
        return self.words[0]


class Runner:
    """Starts commands, and ends those that run when everything has to end."""

    def __init__(self, common: Sequence[str] = (), grace: float = GRACE_SECONDS) -> None:
        self._common = tuple(common)
        self._held: tuple[int, ...] = ()
        self._grace = grace
        self._running: set[subprocess.Popen[bytes]] = set()
        self._lock = threading.Lock()
        self._ended = False

    def run(self, words: Sequence[str], seconds: float | None) -> Ran:
        """Run one command to its end; it is told to end after so many seconds, and then killed.

        Never raises for what the command did: that is a doubt.
        """
        begin = time.perf_counter()
        with tempfile.TemporaryFile() as out, tempfile.TemporaryFile() as err:
            child = self._start([*words, *self._common, "--json", "--quiet"], (out, err))
            if child is None:
                return _nothing(words, 0.0, None, "it was not begun: the drill was ended", "run the drill again")
            late = False
            try:
                child.wait(seconds)
            except subprocess.TimeoutExpired:
                late = True
                self._end(child)
            finally:
                with self._lock:
                    self._running.discard(child)
            took = time.perf_counter() - begin
            out.seek(0)
            text = out.read()
            err.seek(0, 2)
            err.seek(max(0, err.tell() - TOLD_BYTES))
            last = err.read().decode("utf-8", "replace").strip()
        if late:
            hint = "give it more time with max-seconds, or look at what this machine was busy with"
            return _nothing(words, took, child.returncode, f"it took longer than {seconds:,.0f} s, and was ended", hint)
        return _read(words, took, child.returncode, (text, last))

    def hold(self, lock: int) -> None:
        """Let every process hold a lock, too: what a killed drill leaves running keeps the next one waiting."""
        self._held = (lock,)

    def end_all(self) -> None:
        """Tell all that run to end, and begin nothing any more."""
        with self._lock:
            self._ended = True
            running = list(self._running)
        for child in running:
            child.terminate()

    def _start(self, words: Sequence[str], streams: tuple[Any, Any]) -> subprocess.Popen[bytes] | None:
        with self._lock:
            if self._ended:
                return None
            child = subprocess.Popen(
                # -P: what lies in the current folder, beside backups, is never taken for a module
                [sys.executable, "-P", "-m", "sospes", *words], stdin=subprocess.DEVNULL, stdout=streams[0],
                stderr=streams[1], start_new_session=True, pass_fds=self._held,
            )  # fmt: skip
            self._running.add(child)
            return child

    def _end(self, child: subprocess.Popen[bytes]) -> None:
        child.terminate()
        try:
            child.wait(self._grace)
        except subprocess.TimeoutExpired:
            child.kill()
            child.wait()


def _read(words: Sequence[str], took: float, code: int, said: tuple[bytes, str]) -> Ran:
    """What the document of a command says."""
    text, last = said
    try:
        document = json.loads(text)
        findings = tuple(map(_finding, document["findings"]))
        evidence = tuple(map(Rung, document["evidence"]))
        result = document["result"]
    except (ValueError, KeyError, TypeError):
        how = f"was ended by signal {-code}" if code < 0 else f"ended with code {code}"
        return _nothing(
            words, took, code, f"it {how} and said nothing that counts: {last or 'no word'}", "run it by hand"
        )
    return Ran(
        words=tuple(words), code=code, seconds=took, findings=findings, evidence=evidence,
        result=result if isinstance(result, dict) else {},
    )  # fmt: skip


def _nothing(words: Sequence[str], took: float, code: int | None, problem: str, hint: str) -> Ran:
    finding = doubt("not-carried-out", f"sospes {words[0]}: {problem}", hint)
    return Ran(words=tuple(words), code=code, seconds=took, findings=(finding,), evidence=(), result={})


def _finding(said: dict[str, Any]) -> Finding:
    return Finding(
        code=said["code"], severity=Severity(said["severity"]), message=said["message"], advice=said["advice"],
        place=Place(**said["place"]),
    )  # fmt: skip


def tidied(runner: Runner, places: Iterable[str]) -> None:
    """Remove what a killed process left behind."""
    runner.run(["tidy", *places, "--drop"], GRACE_SECONDS)

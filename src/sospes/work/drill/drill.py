"""The drill: every target in turn, each with its own verdict and reason, whatever becomes of the others."""

from __future__ import annotations

import fcntl
import hashlib
import os
import random
import time
from collections.abc import Callable, Iterator, Sequence
from concurrent.futures import ThreadPoolExecutor
from contextlib import contextmanager
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from fnmatch import fnmatch
from pathlib import Path

from sospes.formats.opening import Opening, unreadable
from sospes.model.errors import CannotCheck, NotFound, SospesError
from sospes.model.findings import Finding, doubt
from sospes.model.outcome import Outcome
from sospes.model.verdict import Severity
from sospes.work.drill.choosing import Choosing, Chosen, choose
from sospes.work.drill.plan import Plan, Target
from sospes.work.drill.proving import DrillStep, Proving, TargetResult, commands, proved, reached
from sospes.work.drill.running import Runner
from sospes.work.ledger.store import Ledger
from sospes.work.survey.survey import Surveying


@dataclass(frozen=True, slots=True, kw_only=True)
class Drilled:
    """What came of a drill. Times in ISO 8601 with zone.

    look_at   what nobody should miss, though it makes no backup unsound: target, and what it is
    reports   the paths that were written
    unsent    what could not be written or sent, and why
    """

    drill: str
    began_at: str
    ended_at: str
    dry: bool
    targets: tuple[TargetResult, ...]
    look_at: tuple[tuple[str, str], ...]
    reports: tuple[str, ...] = ()
    unsent: tuple[Finding, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Drilling:
    """How a drill is run.

    only        patterns of the targets' names that are run; all when empty
    due         leaves out what was proven since
    dry         nothing is proven: what would be done is told
    workers     targets at a time; None for what the file says
    state       the folder with the locks
    fresh       heads of files are read anew
    lots        draws the samples
    told        hears of each target as it is begun, and of its result
    """

    opening: Opening
    ledger: Ledger | None
    runner: Runner
    state: Path
    now: datetime
    only: Sequence[str] = ()
    due: timedelta | None = None
    dry: bool = False
    workers: int | None = None
    max_seconds: float | None = None
    fresh: bool = False
    lots: random.Random
    told: Callable[[str, TargetResult | None], None] = lambda _name, _result: None


def drill(plan: Plan, how: Drilling) -> Outcome[Drilled]:
    """Run a drill. Raises NotFound for `only` that fits nothing, CannotCheck where the same one is running."""
    begin = time.perf_counter()
    targets = [target for target in plan.targets if _wanted(target, how.only)]
    if not targets:
        names = ", ".join(target.name for target in plan.targets)
        raise NotFound(f"{plan.path}: no target is called {', '.join(how.only)}", f"there are: {names}")
    seconds = how.max_seconds if how.max_seconds is not None else plan.max_seconds
    deadline = None if seconds is None else time.monotonic() + seconds
    proving = Proving(
        plan=plan, now=how.now, opening=how.opening, ledger=how.ledger, runner=how.runner, deadline=deadline
    )  # fmt: skip
    with nobody_else(plan.path, how.state) as lock:
        how.runner.hold(lock)
        results = list(_results(targets, plan, how, proving))
    results.sort(key=lambda result: -result.worst)
    ended = how.now + timedelta(seconds=time.perf_counter() - begin)
    return Outcome(
        name=str(plan.path),
        findings=tuple(finding for result in results for finding in _named(result)),
        evidence=reached([result for result in results if not result.skipped]),
        result=Drilled(
            drill=str(plan.path),
            began_at=how.now.isoformat(timespec="seconds"),
            ended_at=ended.isoformat(timespec="seconds"),
            dry=how.dry,
            targets=tuple(results),
            look_at=tuple(_look_at(results)),
        ),
        seconds=time.perf_counter() - begin,
    )


def _wanted(target: Target, only: Sequence[str]) -> bool:
    return not only or any(fnmatch(target.name, pattern) for pattern in only)


def _results(targets: Sequence[Target], plan: Plan, how: Drilling, proving: Proving) -> Iterator[TargetResult]:
    """The results of all targets; with several workers as many at a time."""
    surveying = Surveying(
        opening=replace(how.opening, passed=None), ledger=how.ledger, fresh=how.fresh, now=how.now
    )  # fmt: skip
    choosing = Choosing(
        surveying=surveying, ledger=how.ledger, due=how.due, drill=str(plan.path.absolute()), lots=how.lots
    )  # fmt: skip
    chosen = [one for target in targets for one in _chosen(target, choosing)]
    workers = how.workers or plan.workers
    with ThreadPoolExecutor(workers) as pool:
        try:
            waiting = [pool.submit(_one, one, number, (how, proving)) for number, one in enumerate(chosen)]
            for future in waiting:
                yield future.result()
        except BaseException:
            how.runner.end_all()
            pool.shutdown(cancel_futures=True)
            raise


def _chosen(target: Target, how: Choosing) -> list[Chosen]:
    """What a target stands for; an error of ours costs this target alone."""
    try:
        return choose(target, how)
    except Exception as error:
        return [Chosen(name=target.name, target=target, findings=(_failed(error),))]


def _one(chosen: Chosen, number: int, shared: tuple[Drilling, Proving]) -> TargetResult:
    how, proving = shared
    if not how.dry:
        how.told(chosen.name, None)
    try:
        if how.dry:
            result = _planned(chosen, proving)
        else:
            if number and not chosen.skipped:
                time.sleep(_pause(proving))
            result = proved(chosen, proving)
    except Exception as error:
        result = proved(replace(chosen, newest=None, findings=(*chosen.findings, _failed(error))), proving)
    if not how.dry:
        how.told(chosen.name, result)
    return result


def _pause(proving: Proving) -> float:
    """Seconds between two targets, and no longer than the drill has time."""
    pause = proving.plan.pause_seconds
    return pause if proving.deadline is None else max(0.0, min(pause, proving.deadline - time.monotonic()))


def _failed(error: Exception) -> Finding:
    return doubt("not-carried-out", error.problem, error.hint) if isinstance(error, SospesError) else unreadable(error)


def _planned(chosen: Chosen, proving: Proving) -> TargetResult:
    """What would be done of a target."""
    result = proved(replace(chosen, skipped=chosen.skipped or "nothing is run in a dry run"), proving)
    if chosen.skipped:
        return result
    steps = tuple(
        DrillStep(command=words[0], words=tuple(words), verdict="unproven", seconds=0.0)
        for words in commands(chosen, proving)
    )
    return replace(result, steps=steps)


def _named(result: TargetResult) -> Iterator[Finding]:
    """The findings of a target, with its name."""
    for finding in result.findings:
        yield replace(finding, message=f"{result.name}: {finding.message}")


def _look_at(results: Sequence[TargetResult]) -> Iterator[tuple[str, str]]:
    """Notes that nobody should miss: an intact backup of a database that lost half a table."""
    for result in results:
        for finding in result.findings:
            if finding.severity is Severity.NOTE and finding.is_unusual:
                yield result.name, finding.message


@contextmanager
def nobody_else(path: Path, state: Path) -> Iterator[int]:
    """Holds the lock of a drill's file, so that two never overlap; gives it. Raises CannotCheck where one goes on."""
    name = hashlib.sha256(os.fsencode(path.resolve())).hexdigest()[:16]
    try:
        state.mkdir(mode=0o700, parents=True, exist_ok=True)
        place = os.open(state / f"drill-{name}.lock", os.O_RDWR | os.O_CREAT | os.O_CLOEXEC, 0o600)
    except OSError as error:
        raise CannotCheck(
            f"{state}: the drill's lock can't be made: {error.strerror}", "name another place in XDG_STATE_HOME"
        ) from error
    with os.fdopen(place, "r+") as file:
        try:
            fcntl.flock(file, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError as error:
            said = file.read().strip() or "unknown"
            raise CannotCheck(
                f"{path}: a drill of this file is running, process {said}",
                "wait for its end; if it was killed, for what it began",
            ) from error
        file.truncate(0)
        file.write(str(os.getpid()))
        file.flush()
        yield file.fileno()

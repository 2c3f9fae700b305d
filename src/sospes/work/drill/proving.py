"""Proves one backup as high as its target wants: which commands that takes, and what comes of them."""

from __future__ import annotations

import statistics
import time
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from datetime import datetime
from pathlib import Path

from sospes.engines.registry import has_server
from sospes.formats.opening import Opening
from sospes.model.errors import SospesError
from sospes.model.findings import Finding, doubt, note, verdict_of
from sospes.model.verdict import LADDER, Rung, Severity, Verdict, highest_rung
from sospes.work.drill.checks import checked
from sospes.work.drill.choosing import Chosen
from sospes.work.drill.plan import LAST_PROVEN, Plan, Target
from sospes.work.drill.running import Ran, Runner, tidied
from sospes.work.ledger.proof import Proof
from sospes.work.ledger.store import Ledger
from sospes.work.look.heads import open_head
from sospes.work.restore.embedded import ROOM_FACTOR as EMBEDDED_ROOM
from sospes.work.restore.server import ROOM_FACTOR as SERVER_ROOM

PARTS = {"schema-only": "definitions and no rows", "data-only": "rows and no definitions"}
"""Kinds of backups that nobody can restore a database from, in words."""

MOST_TRIED = 4
"""Older backups that are tried where the newest ones are only parts."""


@dataclass(frozen=True, slots=True, kw_only=True)
class DrillStep:
    """One command that was run. `words` are what somebody would type to see for himself."""

    command: str
    words: tuple[str, ...]
    verdict: str
    seconds: float


@dataclass(frozen=True, slots=True, kw_only=True)
class TargetResult:
    """What came of a target. Unknown is None; sizes in bytes, times in ISO 8601.

    reason     the worst of what was found, in one line; what was proven where nothing was
    backup     the path of what was looked at
    skipped    why nothing was proven tonight; empty where something was to be
    wanted     the rung that it has to reach
    not_proven what the ladder, up to what is wanted, lacks
    history_seconds  seconds of this target's runs, of the nights before and of tonight
    """

    name: str
    verdict: str
    rung: str | None
    seconds: float
    backup: str | None
    findings: tuple[Finding, ...]
    steps: tuple[DrillStep, ...]
    reason: str
    skipped: str
    wanted: str
    not_proven: tuple[str, ...]
    lineage: str | None
    written_at: str | None
    written_stated: bool
    size_bytes: int | None
    rows: int | None
    window_from: str | None
    history_seconds: tuple[float, ...]
    expected_seconds: float | None
    expected_bytes: int | None

    @property
    def worst(self) -> Verdict:
        """The verdict as one that can be compared."""
        return Verdict[self.verdict.upper()]


@dataclass(frozen=True, slots=True, kw_only=True)
class Proving:
    """What all targets have in common. `deadline` is in seconds of the monotonic clock; None for none."""

    plan: Plan
    now: datetime
    opening: Opening
    ledger: Ledger | None
    runner: Runner
    deadline: float | None


def proved(chosen: Chosen, how: Proving) -> TargetResult:
    """Prove the newest backup of a target that holds rows; unless it isn't its turn, or there is none."""
    begin = time.monotonic()
    if chosen.newest is None:
        return _result(chosen, chosen.findings, [], how, 0.0)
    if chosen.skipped:
        return _result(chosen, [*chosen.findings, *checked(chosen, how.now)], [], how, 0.0)
    findings: list[Finding] = []
    ran: list[Ran] = []
    if (large := _too_large(chosen, how)) is not None:
        findings.append(large)
    else:
        chosen, ran = _run(chosen, begin, how)
        findings += _ended(chosen, ran, begin, how)
    told = [finding for one in ran for finding in _as_asked(chosen.target, one)]
    found = [*chosen.findings, *checked(chosen, how.now), *findings, *dict.fromkeys(told)]
    return _result(chosen, found, ran, how, time.monotonic() - begin)


def _run(chosen: Chosen, begin: float, how: Proving) -> tuple[Chosen, list[Ran]]:
    """Run what leads up to the rung, on the newest backup that turns out to hold more than a part."""
    for older in [*chosen.older[:MOST_TRIED], None]:
        ran = list(_each(chosen, begin, how))
        kind = next((one.result.get("kind") for one in ran), None)
        if kind not in PARTS or older is None:
            break
        named = chosen.newest.path if chosen.newest else ""
        told = note("part-passed-over", f"{named} holds {PARTS[kind]}: the one before it was taken")
        chosen = replace(chosen, newest=older, findings=(*chosen.findings, told))
    return chosen, ran


def _each(chosen: Chosen, begin: float, how: Proving) -> Iterator[Ran]:
    """Run one command after the other, as long as there is time."""
    for words in commands(chosen, how):
        one = _timed(words, chosen.target, begin, how)
        if one is None:
            return
        yield one
        if words[0] == "rehearse" and not one.evidence and one.code not in {0, 1}:
            # What can't be tried here may still be read: that much is proven then.
            by_reading = _timed(_reading(chosen, how), chosen.target, begin, how)
            if by_reading is not None:
                yield by_reading
        elif one.result.get("kind") in PARTS:
            return


def _timed(words: Sequence[str], target: Target, begin: float, how: Proving) -> Ran | None:
    """Run one command; None where there is no time left for it."""
    left = _seconds_left(target, begin, how)
    if left is not None and left <= 0:
        return None
    ran = how.runner.run(words, left)
    if ran.code is not None and ran.code < 0:
        tidied(how.runner, _servers(target))
    return ran


def _ended(chosen: Chosen, ran: Sequence[Ran], begin: float, how: Proving) -> Iterator[Finding]:
    """What is said of a run that did not come to its end, or found no backup that holds rows."""
    left = _seconds_left(chosen.target, begin, how)
    if left is not None and left <= 0 and len(ran) < len(list(commands(chosen, how))):
        yield _no_time()
    elif ran and (kind := ran[0].result.get("kind")) in PARTS:
        yield doubt(
            "no-full-backup",
            f"the newest backups hold {PARTS[kind]}",
            "make sure that the whole database is backed up; if it is meant to be so, verify them by themselves",
        )


def _no_time() -> Finding:
    return doubt(
        "time-ran-out",
        "it was not begun, or not ended: the drill's time was over",
        "give the drill more time with max-seconds, or let it look at some of the databases each night with sample",
    )


def _seconds_left(target: Target, begin: float, how: Proving) -> float | None:
    now = time.monotonic()
    limits = [target.seconds - (now - begin)] if target.seconds is not None else []
    limits += [how.deadline - now] if how.deadline is not None else []
    return min(limits, default=None)


def _servers(target: Target) -> list[str]:
    """Servers on which a killed run may have left something."""
    return [target.side] if target.side not in {None, "private", "embedded"} and target.side else []


def commands(chosen: Chosen, how: Proving) -> Iterator[list[str]]:
    """The commands that lead up to the rung that is wanted, as somebody would type them."""
    target, newest = chosen.target, chosen.newest
    if newest is None:
        return
    paths = [str(path) for path in newest.head.candidate.paths]
    pieces = ["--pieces", *paths[1:]] if len(paths) > 1 else []
    hiding = ["--hide-values"] if how.plan.hide_values else []
    ladder = list(Rung)
    height = ladder.index(target.rung)
    is_physical = bool(newest.head.head.log_from)  # files of a server, which only a server can have
    restored = is_physical or (height >= ladder.index(Rung.RESTORED) and has_server(newest.head.head.engine))
    side = target.side or ("private" if restored else "embedded")
    if target.side is None and height < ladder.index(Rung.LOADED):
        yield _reading(chosen, how)
    else:
        yield ["rehearse", paths[0], "--side", side, *target.options, *pieces, *_parts(chosen)]
    if is_physical:  # its rows come from a private server as well
        hiding += [*_parts(chosen), *(word for word in target.options if word != "--trust-backup")]
    if target.figures is not None:
        yield ["compare", paths[0], target.figures, *hiding]
    if target.compare_with == LAST_PROVEN:
        if (earlier := _last_proven(chosen, how)) is not None:
            yield ["compare", paths[0], earlier, *hiding]
    elif target.compare_with is not None:
        with_drift = ["--drift-by", target.drift_by] if target.drift_by else []
        yield ["compare", paths[0], _placed(target.compare_with, how.plan), *with_drift, *hiding]


def _reading(chosen: Chosen, how: Proving) -> list[str]:
    """The command that reads a backup through."""
    paths = [str(path) for path in chosen.newest.head.candidate.paths] if chosen.newest else []
    pieces = ["--pieces", *paths[1:]] if len(paths) > 1 else []
    hiding = ["--hide-values"] if how.plan.hide_values else []
    key = ["--key-file", chosen.target.key_file] if chosen.target.key_file else []
    return ["verify", *paths[:1], *pieces, *_parts(chosen), *hiding, *key]


def _parts(chosen: Chosen) -> list[str]:
    """Where further parts of a backup lie; what an incremental one builds on lies where its lineage does."""
    target, newest = chosen.target, chosen.newest
    if newest is None or not newest.head.head.log_from:
        return []  # a form that needs nothing else
    places = [*target.logs, *(target.places if newest.head.head.follows else ())]
    return [word for place in places if place.exists() for word in ("--with", str(place))]


def _placed(word: str, plan: Plan) -> str:
    """An address as it stands, a path from the drill file's folder."""
    return word if word.startswith("@") or "://" in word else str(plan.folder / Path(word).expanduser())


def _last_proven(chosen: Chosen, how: Proving) -> str | None:
    """The backup before this one that was proven sound, and is still there."""
    if how.ledger is None or chosen.lineage is None or chosen.newest is None:
        return None
    sound = [
        proof
        for proof in how.ledger.proofs(lineage=chosen.lineage.id, light=True)
        if proof.verdict == Verdict.SOUND.word
    ]
    earlier = [
        proof for proof in sound
        if proof.dated < chosen.newest.dated and proof.backup != chosen.newest.path and Path(proof.backup).exists()
    ]  # fmt: skip
    return max(earlier, key=lambda proof: proof.dated_at).backup if earlier else None


def _as_asked(target: Target, ran: Ran) -> Iterator[Finding]:
    """What a command found, weighed as the target asks for."""
    to_earlier = ran.command == "compare" and target.compare_with == LAST_PROVEN and ran.words[2:3] != (target.figures,)
    for finding in ran.findings:
        if finding.is_unusual and target.strict_unusual:
            yield replace(finding, severity=Severity.DOUBT)
        elif to_earlier and finding.severity is not Severity.NOTE:
            # Days lie between the two: what differs is what was done, and for a person to look at.
            yield note("changed-since-last", f"since {Path(ran.words[2]).name}: {finding.message}", place=finding.place)
        else:
            yield finding


def _too_large(chosen: Chosen, how: Proving) -> Finding | None:
    """A doubt where a side copy would take more space than a target may."""
    need = expected_bytes(chosen, how)
    limit = chosen.target.space
    if limit is None or need is None or need <= limit or chosen.target.rung is Rung.INTACT:
        return None
    return doubt(
        "more-space-than-allowed",
        f"a side copy would take about {need:,} bytes, allowed are {limit:,}",
        "raise max-space, name another work folder, or lower the rung",
    )


def expected_bytes(chosen: Chosen, how: Proving) -> int | None:
    """About how many bytes a side copy takes; None where nobody can tell, 0 where none is made."""
    if chosen.newest is None:
        return None
    if chosen.target.rung is Rung.INTACT and chosen.target.side is None:
        return 0
    try:
        plain = open_head(chosen.newest.head.candidate.paths, how.opening).plain_estimate
    except SospesError:
        return None
    embedded = chosen.target.side == "embedded" or chosen.target.rung is Rung.LOADED
    return None if plain is None else int(plain * (EMBEDDED_ROOM if embedded else SERVER_ROOM))


def _earlier(chosen: Chosen, how: Proving) -> list[Proof]:
    """Earlier proofs of a lineage as high as tonight's, oldest first."""
    if how.ledger is None or chosen.lineage is None:
        return []
    proofs = how.ledger.proofs(lineage=chosen.lineage.id, light=True)
    return [proof for proof in proofs if proof.proves(min(chosen.target.rung, Rung.CONSISTENT, key=list(Rung).index))]


def _result(
    chosen: Chosen, findings: Sequence[Finding], ran: Sequence[Ran], how: Proving, seconds: float
) -> TargetResult:
    evidence = {rung for one in ran for rung in one.evidence}
    rung = highest_rung(evidence)
    target, newest = chosen.target, chosen.newest
    wanted = list(Rung)[: list(Rung).index(target.rung) + 1]
    missing = tuple(rung.value for rung in wanted if rung not in evidence)
    findings = sorted(map(chosen.weighed, findings), key=lambda finding: -finding.severity.verdict)
    if ran and missing and verdict_of(findings) is Verdict.SOUND:
        findings.append(_not_reached(target, rung, missing))
    earlier = _earlier(chosen, how)
    times = [proof.seconds for proof in earlier if proof.command == (ran[0].command if ran else "rehearse")]
    verdict = verdict_of(findings)
    rows = [table["rows"] for one in ran for table in one.result.get("tables") or () if table.get("rows") is not None]
    return TargetResult(
        name=chosen.name,
        verdict=verdict.word,
        rung=rung.value if rung else None,
        seconds=round(seconds, 3),
        backup=newest.path if newest else None,
        findings=tuple(findings),
        steps=tuple(
            DrillStep(
                command=one.command, words=one.words, verdict=verdict_of(one.findings).word,
                seconds=round(one.seconds, 3),
            )
            for one in ran
        ),
        reason=_reason(chosen, findings, rung),
        skipped=chosen.skipped,
        wanted=target.rung.value,
        not_proven=missing if ran or newest is None else (),
        lineage=chosen.lineage.id if chosen.lineage else None,
        written_at=newest.dated.isoformat(timespec="seconds") if newest else None,
        written_stated=newest.stated if newest else False,
        size_bytes=newest.head.candidate.size_bytes if newest else None,
        rows=sum(rows) if rows else None,
        window_from=chosen.lineage.window.from_ if chosen.lineage else None,
        history_seconds=tuple(times[-30:]),
        expected_seconds=statistics.median(times) if times else None,
        expected_bytes=expected_bytes(chosen, how),
    )  # fmt: skip


def _not_reached(target: Target, rung: Rung | None, missing: Sequence[str]) -> Finding:
    reached = rung.value if rung else "none"
    return doubt(
        "rung-not-reached",
        f"{target.rung.value} is wanted, {reached} was reached: not proven is {', '.join(missing)}",
        "run the steps by hand to see what could not be tried; name a side that can try it",
    )


def _reason(chosen: Chosen, findings: Sequence[Finding], rung: Rung | None) -> str:
    """The one line that says why the verdict is as it is."""
    worst = max(findings, key=lambda finding: finding.severity.verdict, default=None)
    if worst is not None and worst.severity is not Severity.NOTE:
        return worst.message
    if chosen.skipped:
        return f"not looked at: {chosen.skipped}"
    return f"proven {rung.value}" if rung is not None else "nothing was proven"


def reached(results: Sequence[TargetResult]) -> tuple[Rung, ...]:
    """The rungs that every target has reached."""
    lowest = min((LADDER.index(Rung(one.rung)) if one.rung else -1 for one in results), default=-1)
    return LADDER[: lowest + 1]

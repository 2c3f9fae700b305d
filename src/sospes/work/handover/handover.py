"""Puts a side copy in a live database's place, once all was looked at, said, and the copy was checked afresh."""

from __future__ import annotations

import shlex
import time
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from datetime import datetime

from sospes.model.errors import UsageError
from sospes.model.findings import Finding, doubt, note, verdict_of
from sospes.model.outcome import Outcome
from sospes.model.verdict import Rung, Verdict
from sospes.sides.registry import server_of
from sospes.sides.servers.address import Address
from sospes.sides.servers.handing import Handing, Look, Session, Swapped
from sospes.work.compare.compare import compare
from sospes.work.compare.matching import Comparing


@dataclass(frozen=True, slots=True, kw_only=True)
class Handover:
    """How to hand over.

    side         the side copy, by its address; on the way back any database of the server
    live         the name of the live database
    confirmed    the same name, given once more
    comparing    how rows of live are looked for that the copy hasn't; None to go without
    end_sessions whether sessions of others are ended
    dry_run      look, check and say, and do nothing
    word         how the side copy was named, for the command that is told
    """

    side: Address
    live: str
    confirmed: str | None
    now: datetime
    comparing: Comparing | None = None
    end_sessions: bool = False
    dry_run: bool = False
    word: str = "URL"


@dataclass(frozen=True, slots=True, kw_only=True)
class LostTable:
    """Rows of a live table that the copy hasn't, or has otherwise: they would be out of sight."""

    schema: str | None
    name: str
    only_live: int
    changed: int


@dataclass(frozen=True, slots=True, kw_only=True)
class HandedOver:
    """What was found, and what was done. `from_` and `to` are names of databases; sizes in bytes.

    consistent  whether the engine's checks of the copy passed just now; None where it was not looked at
    """

    from_: str
    to: str
    kept_as: str | None
    sessions_ended: int
    steps: tuple[str, ...]
    way_back: str | None
    done: bool
    backup: str | None = None
    made_at: str | None = None
    live_bytes: int | None = None
    side_bytes: int | None = None
    sessions: tuple[Session, ...] = ()
    newer: tuple[LostTable, ...] = ()
    consistent: bool | None = None


def hand_over(how: Handover) -> Outcome[HandedOver]:
    """Look, check, say, and swap. Nothing is done where a fault is found, or sessions are open that may not be ended.

    Raises UsageError for a copy that isn't ours, names that can't be, a missing confirmation.
    """
    begin = time.perf_counter()
    require_named(how)
    handing = server_of(how.side.engine).handing(how.side, how.live)
    if handing.begun() and not how.dry_run:
        return _gone_on(how, handing, begin)
    look = handing.look()
    findings: list[Finding] = list(look.findings)
    newer = tuple(_newer(how, findings))
    faults = list(handing.check())
    findings += faults
    findings += _sessions(look.sessions, how)
    swapped = None
    sound = verdict_of(findings) is not Verdict.UNSOUND
    if not how.dry_run and sound and (how.end_sessions or not look.sessions):
        findings += handing.carry()
        swapped = handing.swap(how.now, end_sessions=how.end_sessions)
    proven = (Rung.PRESENT, Rung.IDENTIFIED)
    return Outcome(
        name=how.side.label,
        findings=tuple(findings),
        evidence=proven,
        result=replace(_result(how, look, newer, swapped), consistent=verdict_of(faults) is Verdict.SOUND),
        seconds=time.perf_counter() - begin,
    )


def _gone_on(how: Handover, handing: Handing, begin: float) -> Outcome[HandedOver]:
    """Go on with what an earlier run began: all was looked at then."""
    swapped = handing.swap(how.now, end_sessions=how.end_sessions)
    told = note("handover-gone-on", "an earlier run had begun this handover, and was ended: it was gone on with")
    return Outcome(
        name=how.side.label, findings=(told,), evidence=(), result=_result(how, None, (), swapped),
        seconds=time.perf_counter() - begin,
    )  # fmt: skip


def hand_back(how: Handover) -> Outcome[HandedOver]:
    """Put back what was live before. Raises NotFound where nothing was kept."""
    begin = time.perf_counter()
    require_named(how)
    handing = server_of(how.side.engine).handing(how.side, how.live)
    if how.dry_run:
        raise UsageError("--dry-run is for the way there", "leave it away, or leave --back away")
    swapped = handing.back(end_sessions=how.end_sessions)
    result = HandedOver(
        from_=swapped.kept_as, to=how.live, kept_as=swapped.kept_as, sessions_ended=swapped.ended, steps=swapped.steps,
        way_back=None, done=True,
    )  # fmt: skip
    return Outcome(
        name=how.side.label, findings=(), evidence=(), result=result, seconds=time.perf_counter() - begin
    )  # fmt: skip


def require_named(how: Handover) -> None:
    """Raises UsageError where the live name was not given once more, as it is."""
    if how.dry_run:
        return
    if how.confirmed is None:
        raise UsageError(
            f"{how.live} would be replaced, and that has to be confirmed",
            f"give --confirm {how.live}, or --dry-run to see what there is",
        )
    if how.confirmed != how.live:
        raise UsageError(
            f"--confirm names {how.confirmed!r}, the live database is {how.live!r}",
            "give the very name of the database that is to be replaced",
        )


def _newer(how: Handover, findings: list[Finding]) -> Iterator[LostTable]:
    """Rows that live has and the copy hasn't, or has otherwise."""
    if how.comparing is None:
        findings.append(note("rows-not-compared", "it was not looked for rows that live has and the copy hasn't"))
        return
    found = compare(how.side, replace(how.side, database=how.live), how.comparing).result
    lost = [
        LostTable(schema=table.schema, name=table.name, only_live=table.only_right, changed=table.changed)
        for table in found.tables
        if table.only_right or table.changed
    ]
    yield from lost
    if lost:
        only, changed = sum(table.only_live for table in lost), sum(table.changed for table in lost)
        side, live = how.side.label, replace(how.side, database=how.live).label
        told = doubt if how.dry_run else note  # who confirms has seen it, or does not mind
        findings.append(
            told(
                "rows-newer-in-live",
                f"live has {only:,} rows that the copy hasn't, and {changed:,} otherwise, in {len(lost):,} tables: "
                "out of sight once the copy is live",
                f"to bring some into the copy first: sospes mend {live} {side} --out FILE",
            )
        )


def _sessions(sessions: Sequence[Session], how: Handover) -> Iterator[Finding]:
    """Who is connected."""
    if not sessions:
        return
    count = sum(session.count for session in sessions)
    told = "; ".join(
        f"{one.count} of {one.user} by {one.program} from {one.where}, since {one.since or 'unknown'}"
        for one in sessions[:4]
    )
    more = f"; and of {len(sessions) - 4} more" if len(sessions) > 4 else ""
    said = f"{'1 session is' if count == 1 else f'{count} sessions are'} open: {told}{more}"
    if how.end_sessions:
        yield note("sessions-open", said)
    else:
        yield doubt("sessions-open", f"{said}; nothing was changed", "have them end, or give --end-sessions")


def _way_back(how: Handover) -> str:
    """The command that puts back what was live before."""
    live = shlex.quote(how.live)
    return f"sospes handover {shlex.quote(how.word)} --live {live} --back --confirm {live}"


def _result(how: Handover, look: Look | None, newer: tuple[LostTable, ...], swapped: Swapped | None) -> HandedOver:
    return HandedOver(
        from_=how.side.database or "", to=how.live, kept_as=swapped.kept_as if swapped else None,
        sessions_ended=swapped.ended if swapped else 0, steps=swapped.steps if swapped else (),
        way_back=_way_back(how) if swapped else None,
        done=swapped is not None, backup=look.marked.backup or None if look else None,
        made_at=look.marked.made_at or None if look else None, live_bytes=look.live_bytes if look else None,
        side_bytes=look.side_bytes if look else None, sessions=look.sessions if look else (), newer=newer,
    )  # fmt: skip

"""What is asked of a target's backups before any is read: age, reach, spread, whose they are, how long they stay."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import datetime, timedelta

from sospes.model.findings import Finding, Place, doubt, fault, note, some
from sospes.work.drill.choosing import Chosen, foreign
from sospes.work.survey.lineages import Member

MOST_NAMED = 10


def checked(chosen: Chosen, now: datetime) -> Iterator[Finding]:
    """What is wrong with the backups of a target, by their heads alone."""
    if chosen.lineage is None or chosen.newest is None:
        return
    yield from _own(chosen)
    yield from _fresh(chosen, chosen.newest, now)
    yield from _reach(chosen, now)
    yield from _logs(chosen, now)
    yield from _past(chosen, now)
    for finding in chosen.lineage.findings:
        if finding.code in {"backup-missing", "log-gap"}:
            yield finding


def _own(chosen: Chosen) -> Iterator[Finding]:
    target = chosen.target
    if other := foreign(target, chosen.members):
        yield fault(
            "foreign-backup",
            f"the backups are of {other}, wanted is {target.system or target.server}",
            "find out which server writes to this place",
        )
        return
    origins = [member.origin for member in chosen.members]
    for wanted, stated in ((target.system, "system"), (target.server, "server")):
        if wanted is not None and not any(getattr(origin, stated) for origin in origins):
            yield note(
                "origin-unstated", f"the backups don't say of which {stated} they are; {wanted} is taken on trust"
            )


def _fresh(chosen: Chosen, newest: Member, now: datetime) -> Iterator[Finding]:
    within = chosen.target.newest_within
    age = now - newest.dated
    stated = "" if newest.stated else ", by the file's time, as it doesn't say"
    if within is not None and age > within:
        yield fault(
            "backup-too-old",
            f"the newest backup is {_span(age)} old{stated}; wanted is one within {_span(within)}",
            "find out why the job wrote none since, or where it wrote it to",
            Place(file=newest.path),
        )
    elif age < timedelta(minutes=-10):
        yield doubt(
            "backup-from-the-future",
            f"the newest backup says that it was written {_span(-age)} from now{stated}",
            "compare the clocks of both machines, and their time zones",
            Place(file=newest.path),
        )


def _reach(chosen: Chosen, now: datetime) -> Iterator[Finding]:
    back = chosen.target.reach_back
    if back is None:
        return
    oldest = min((member.dated for member in chosen.members if member.is_whole), default=None)
    if oldest is None or now - oldest < back:
        reach = "nowhere" if oldest is None else _span(max(now - oldest, timedelta()))
        yield fault(
            "reach-too-short",
            f"one can go back {reach}; wanted is {_span(back)}",
            "keep backups longer; if they were kept, find out where they went",
        )


def _logs(chosen: Chosen, now: datetime) -> Iterator[Finding]:
    within = chosen.target.logs_within
    if within is None:
        return
    logs = [member for member in chosen.members if member.head.head.kind == "log"]
    newest = max((datetime.fromtimestamp(log.head.candidate.changed, now.tzinfo) for log in logs), default=None)
    if newest is None or now - newest > within:
        age = "there are none" if newest is None else f"the newest one is {_span(now - newest)} old"
        yield fault(
            "logs-too-old",
            f"change logs: {age}; wanted is one within {_span(within)}",
            "find out whether the server still hands its log over: what it keeps is lost with its disk",
        )


def _past(chosen: Chosen, now: datetime) -> Iterator[Finding]:
    """What is kept longer than wanted: told, never deleted."""
    keep = chosen.target.keep_for
    if keep is None:
        return
    old = [member for member in chosen.members if now - member.dated > keep and member is not chosen.newest]
    if old:
        size = sum(member.head.candidate.size_bytes for member in old)
        yield note(
            "kept-longer",
            f"{len(old):,} backups, {size:,} bytes, are older than {_span(keep)}: {some([one.path for one in old], 3)}",
            "they may go by your own rules; Sospes deletes nothing",
        )


def _span(span: timedelta) -> str:
    hours = span.total_seconds() / 3600
    if hours < 2:
        return f"{round(hours * 60):,} minutes"
    return f"{hours:,.1f}".removesuffix(".0") + " hours" if hours < 72 else f"{hours / 24:,.0f} days"

"""Finds the backups of each target, and takes those that have to be proven tonight."""

from __future__ import annotations

import random
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from fnmatch import fnmatch
from pathlib import Path

from sospes.engines.registry import dialect_of
from sospes.model.entries import Engine
from sospes.model.errors import SospesError
from sospes.model.findings import Finding, doubt, fault, note, some
from sospes.model.verdict import Severity, Verdict
from sospes.work.drill.plan import Target
from sospes.work.ledger.proof import Proof
from sospes.work.ledger.store import Ledger
from sospes.work.survey.heads import Head
from sospes.work.survey.lineages import Against, Lineage, Member, lineage_of
from sospes.work.survey.survey import Surveying, gather, hindered, unlike_others

MOST_NAMED = 5
_HINDERS = frozenset({"file-unreadable", "place-unreadable"})
_MISSING = frozenset({"no-backup", "backup-too-old", "reach-too-short", "logs-too-old"})


@dataclass(frozen=True, slots=True, kw_only=True)
class Chosen:
    """A database or server whose backups are looked at tonight, or a target of which none was found.

    name      of the target; with its lineage where the target stands for several
    lineage   what was found of it, and `members` its backups, oldest first; None and nothing where there is none
    newest    the backup that is to be proven; None where there is none
    older     those before it, newest first
    skipped   why it isn't its turn; empty where it is
    findings  what the search itself has found
    hindered  something in its places could not be read
    """

    name: str
    target: Target
    lineage: Lineage | None = None
    members: tuple[Member, ...] = ()
    newest: Member | None = None
    older: tuple[Member, ...] = ()
    skipped: str = ""
    findings: tuple[Finding, ...] = ()
    hindered: bool = False

    def weighed(self, finding: Finding) -> Finding:
        """What is missing is a doubt where something could not be read, as there may be more than was seen."""
        return replace(finding, severity=Severity.DOUBT) if self.hindered and finding.code in _MISSING else finding


@dataclass(frozen=True, slots=True, kw_only=True)
class Choosing:
    """How to choose.

    due    leaves out what was proven since
    drill  the drill's file, by which the databases that it has met are remembered
    strangers  files of the target's places that nobody can identify
    lots   draws what is looked at of a sample
    """

    surveying: Surveying
    ledger: Ledger | None
    due: timedelta | None
    drill: str
    strangers: tuple[Head, ...] = ()
    lots: random.Random


def choose(target: Target, how: Choosing) -> list[Chosen]:
    """All that a target stands for tonight. What can't be searched is a doubt about that target alone."""
    chosen = _chosen(target, how)
    hindered = any(finding.code in _HINDERS for one in chosen for finding in one.findings)
    return [replace(one, hindered=hindered) for one in chosen]


def _chosen(target: Target, how: Choosing) -> list[Chosen]:
    missing = [place for place in (*target.places, *target.logs) if not place.exists()]
    there = [place for place in (*target.places, *target.logs) if place not in missing]
    gone = tuple(_place_missing(place) for place in missing)
    if not any(place in there for place in target.places):
        return [Chosen(name=target.name, target=target, findings=(*gone, _none(target, {}, {})))]
    try:
        gathered = gather(there, replace(how.surveying, spread=target.spread))
    except SospesError as error:
        found = doubt("not-carried-out", error.problem, error.hint)
        return [Chosen(name=target.name, target=target, findings=(found,))]
    against = Against(now=how.surveying.now, spread=target.spread, data={}, proven={})
    fitting = {
        name: (lineage_of(name, members, against), tuple(members))
        for name, members in gathered.lineages.items()
        if _fits(target, members)
    }
    strange = (*gone, *gathered.findings, *hindered(gathered.strangers))
    how = replace(how, strangers=tuple(gathered.strangers))
    if target.each:
        return _each(target, fitting, strange, how)
    whole = {name: found for name, found in fitting.items() if any(map(_restorable, found[1]))}
    whole = {name: found for name, found in whole.items() if not foreign(target, found[1])} or whole
    if not whole:
        return [
            Chosen(
                name=target.name,
                target=target,
                findings=(*strange, _none(target, fitting, gathered.lineages, how.strangers)),
            )
        ]
    if len(whole) > 1:
        finding = doubt(
            "target-ambiguous",
            f"backups of {len(whole):,} databases or servers are there: {some(sorted(whole), MOST_NAMED)}",
            "name one with database, server or system, or take all of them with each = true",
        )
        return [Chosen(name=target.name, target=target, findings=(*strange, finding))]
    [(name, (lineage, members))] = whole.items()
    return [_one(target.name, target, (name, lineage, members), strange, how)]


def _place_missing(place: Path) -> Finding:
    return doubt(
        "place-missing", f"{place}: no such file or folder", "check the path, and whether its volume is mounted"
    )


def _restorable(member: Member) -> bool:
    return member.head.head.kind != "log"


def _fits(target: Target, members: Sequence[Member]) -> bool:
    """Whether backups are those that a target names."""
    origins = [member.origin for member in members]
    engines = {origin.engine for origin in origins}
    databases = {database for origin in origins for database in origin.databases}
    if target.engine is not None and target.engine not in engines:
        return False
    return target.database is None or target.database in databases


def _rank(member: Member) -> tuple[bool, tuple[datetime, int, str]]:
    """Which backup is taken first: the newest of those that aren't only parts, as far as their heads tell."""
    return member.is_restorable, member.order


def foreign(target: Target, members: Sequence[Member]) -> str:
    """Whose backups they are, if another server's than the target names; empty for its own, or if they don't say."""
    origins = [member.origin for member in members]
    for wanted, stated in ((target.system, "system"), (target.server, "server")):
        said = {getattr(origin, stated) for origin in origins} - {None}
        if wanted is not None and said and wanted not in said:
            return f"{stated} {', '.join(sorted(map(str, said)))}"
    return ""


def _none(
    target: Target, fitting: Mapping[str, object], others: Mapping[str, object], strangers: Sequence[Head] = ()
) -> Finding:
    """A target without any backup; `others` are of other databases, `strangers` nobody can identify."""
    what = f" of {target.database}" if target.database else ""
    where = some([str(place) for place in target.places], MOST_NAMED)
    there = "" if fitting or not others else f"; there are some of {some(sorted(others), MOST_NAMED)}"
    odd = [f"{head.candidate.paths[0].name}: {head.reason}" for head in strangers]
    there += f"; {some(odd, 1)}" if odd else ""
    return fault(
        "no-backup", f"no backup{what} is in {where}{there}", "find out whether the job ran, and where it writes to"
    )


def _one(
    name: str,
    target: Target,
    found: tuple[str, Lineage, tuple[Member, ...]],
    strange: tuple[Finding, ...],
    how: Choosing,
) -> Chosen:
    """A lineage whose newest backup is taken, unless it was proven a short while ago."""
    lineage_name, lineage, members = found
    newest, *older = sorted(filter(_restorable, members), key=_rank, reverse=True)
    strange = (*strange, *unlike_others(how.strangers, members))
    proofs = how.ledger.proofs(lineage=lineage_name, light=True) if how.ledger is not None else []
    skipped = _not_due(target, proofs, how)
    return Chosen(
        name=name,
        target=target,
        lineage=lineage,
        members=members,
        newest=newest,
        older=tuple(older),
        skipped=skipped,
        findings=strange,
    )


def _not_due(target: Target, proofs: Sequence[Proof], how: Choosing) -> str:
    """Why nothing has to be proven tonight; empty where something has."""
    if how.due is None:
        return ""
    last = _last(target, proofs)
    if last is None or how.surveying.now - last > how.due:
        return ""
    return f"proven {target.rung.value} on {last.astimezone():%Y-%m-%d %H:%M}"


def _last(target: Target, proofs: Sequence[Proof]) -> datetime | None:
    """When a backup of a lineage was last proven as high as is wanted."""
    sound = [proof.when for proof in proofs if proof.verdict == Verdict.SOUND.word and proof.proves(target.rung)]
    return max(sound, default=None)


def _each(
    target: Target, fitting: dict[str, tuple[Lineage, tuple[Member, ...]]], strange: tuple[Finding, ...], how: Choosing
) -> list[Chosen]:
    """Every database that is found; those that are new, and those that are gone, are told."""
    wanted = {
        name: found
        for name, found in fitting.items()
        if not _left_out(target, found[0]) and any(map(_restorable, found[1]))
    }
    met = how.ledger.met(how.drill, target.name) if how.ledger is not None else set()
    chosen = [_one(f"{target.name}: {name}", target, (name, *found), (), how) for name, found in sorted(wanted.items())]
    chosen = [_with(one, _new(one)) if met and one.lineage and one.lineage.id not in met else one for one in chosen]
    for gone in sorted(met - fitting.keys()):
        finding = doubt(
            "database-gone",
            f"no backup of {gone} is there any more; earlier drills have met some",
            "if it was given up, say so with leave-out; else find out why nothing is taken of it",
        )
        if not any(fnmatch(gone, pattern) for pattern in target.leave_out):
            chosen.append(Chosen(name=f"{target.name}: {gone}", target=target, findings=(finding,)))
    if how.ledger is not None and wanted:
        how.ledger.meet(
            (how.drill, target.name), sorted(wanted), how.surveying.now.astimezone(UTC).isoformat(timespec="seconds")
        )
    if not chosen:
        chosen = [Chosen(name=target.name, target=target, findings=(_none(target, fitting, {}, how.strangers),))]
    chosen[0] = _with(chosen[0], *strange)
    return list(_sampled(target, chosen, how))


def _left_out(target: Target, lineage: Lineage) -> bool:
    """Whether a lineage is of a server's own database, or of one that isn't wanted."""
    names = [lineage.id, *lineage.databases]
    if any(fnmatch(name, pattern) for name in names for pattern in target.leave_out):
        return True
    own = dialect_of(Engine(lineage.engine)).own_databases if lineage.engine else frozenset()
    return len(lineage.databases) == 1 and lineage.databases[0] in own


def _new(chosen: Chosen) -> Finding:
    named = chosen.lineage.id if chosen.lineage else chosen.name
    return note("database-new", f"{named} is met for the first time, and looked at from now on")


def _with(chosen: Chosen, *findings: Finding) -> Chosen:
    return replace(chosen, findings=(*chosen.findings, *findings))


def _sampled(target: Target, chosen: Sequence[Chosen], how: Choosing) -> Iterator[Chosen]:
    """Of many only some tonight: those whose last proof is the oldest, by lot among equals: so all have their turn."""
    waiting = [one for one in chosen if one.newest is not None and not one.skipped]
    if target.sample is None or len(waiting) <= target.sample:
        yield from chosen
        return
    how.lots.shuffle(waiting)
    waiting.sort(key=lambda one: _last_of(one, how))
    taken = {one.name for one in waiting[: target.sample]}
    nights = -(-len(waiting) // target.sample)
    for one in chosen:
        if one in waiting and one.name not in taken:
            yield replace(one, skipped=f"not in tonight's sample of {target.sample}; all are within {nights} nights")
        else:
            yield one


def _last_of(chosen: Chosen, how: Choosing) -> datetime:
    proofs = (
        how.ledger.proofs(lineage=chosen.lineage.id, light=True) if how.ledger is not None and chosen.lineage else []
    )
    return max((proof.when for proof in proofs), default=datetime.fromtimestamp(0, UTC))

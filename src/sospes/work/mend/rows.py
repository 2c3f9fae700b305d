"""Writes the statements that bring RIGHT's missing or changed rows back from LEFT, each guarded by what was seen.

It is a script for people to review. Applied, it is one transaction that ends at the first row that is no longer as it
was compared.
"""

from __future__ import annotations

import shlex
import time
from collections.abc import Callable, Iterator, Sequence
from contextlib import ExitStack
from dataclasses import dataclass, field, replace
from datetime import datetime
from itertools import chain, count
from pathlib import Path

from sospes.engines.registry import dialect_of
from sospes.engines.statements import Work
from sospes.formats.opening import Opening
from sospes.model.entries import Engine, Name
from sospes.model.errors import CannotCheck, UsageError
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.model.moments import Reached
from sospes.model.outcome import Outcome
from sospes.model.verdict import Rung, Severity
from sospes.places.writing import nameless_file, write_whole
from sospes.rows.explain import Explanation
from sospes.sides.registry import server_of
from sospes.sides.servers.address import Address
from sospes.work.compare.compare import opened_sides
from sospes.work.compare.drift import require_drift, with_time
from sospes.work.compare.matching import Comparing, matched
from sospes.work.compare.pairing import Pairing, pair_tables
from sospes.work.compare.sides.protocol import RowSide
from sospes.work.extract.gathering import heading
from sospes.work.extract.reading import Extracting
from sospes.work.mend.changes import Changes, Fix, Only, Picker, of_cause
from sospes.work.mend.objects import ObjectFix, object_fixes
from sospes.work.objects.differences import ObjectDifference, listed_objects
from sospes.work.putback.putback import Plan, PuttingBack, planned


@dataclass(frozen=True, slots=True, kw_only=True)
class MendedTable:
    """How many rows of a table the script touches; `extra` are only on the right, and left alone."""

    database: str | None
    schema: str | None
    name: str
    inserts: int
    updates: int
    extra: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Mend:
    """What was written, and what was applied."""

    left: str
    right: str
    out: str | None
    undo: str | None
    applied: bool
    tables: tuple[MendedTable, ...]
    objects: tuple[ObjectDifference, ...]
    reached: Reached | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Mending:
    """How to mend.

    out, undo  the scripts to write: there, and back again
    only       which rows are brought back of those that differ
    only_cause the number, or the kind, of the only cause whose rows are brought back; None for all rows
    objects    whether dropped objects are made anew, tables included
    without_triggers  whether triggers of live are kept from running for the rows
    apply_to   the name of the database to apply the statements to, which must be RIGHT's; None writes only
    right_word how RIGHT was named, for the commands that are told
    """

    comparing: Comparing
    out: Path | None
    undo: Path | None = None
    only: Only = field(default_factory=Only)
    only_cause: str | None = None
    objects: bool = False
    without_triggers: bool = False
    apply_to: str | None = None
    right_word: str = "RIGHT"
    now: datetime | None = None


def mend(left_place: Path | Address, right_place: Path | Address, how: Mending) -> Outcome[Mend]:
    """Compare, and write the statements. RIGHT is only read, unless `apply_to` names its database.

    Raises UsageError for outputs that exist, or a database's name that is not RIGHT's.
    """
    begin = time.perf_counter()
    _check(right_place, how)
    require_drift(left_place, right_place, how.comparing)
    with ExitStack() as kept:
        with ExitStack() as stack:  # what is read is let go of before live is written to
            left, right = opened_sides(left_place, right_place, how.comparing, stack)
            _require_undamaged(how.comparing.opening)
            how = replace(how, comparing=with_time(left, how.comparing))
            engine = _engine(left, right)
            pairing = pair_tables(left, right, how.comparing.choice)
            fixes = _ordered(_fixes((left, right), pairing, how, stack))
            triggers = _triggers(right, fixes, without=how.without_triggers)
            chosen = {(fix.pair.right.name.schema or "", fix.pair.right.name.name) for fix in fixes}
            made = object_fixes(left, right, frozenset(chosen) if how.comparing.tables else None) if how.objects else []
        gone = _plan(left, right_place, pairing, how, kept)
        _put(right_place, how, _Script(left, right, engine, fixes, made, gone))
        through = how.comparing.opening.through
        told = through.findings if through is not None else ()
        findings = (*told, *pairing.findings, *_gone(pairing, left, right, how, gone), *_notes(fixes), *triggers)
    findings += tuple(_unwritable(engine, fixes))
    if how.apply_to is not None:
        findings += tuple(_left_over(left_place, right_place, how))
    return Outcome(
        name=left.name,
        findings=findings,
        evidence=(Rung.PRESENT, Rung.IDENTIFIED),
        result=Mend(
            left=left.name, right=right.name, out=str(how.out) if how.out else None,
            undo=str(how.undo) if how.undo else None, applied=how.apply_to is not None,
            tables=(*_mended(fixes), *(_whole(gone) if gone is not None else ())),
            objects=listed_objects([item.item for item in made]), reached=how.comparing.opening.reached,
        ),
        seconds=time.perf_counter() - begin,
    )  # fmt: skip


def _require_undamaged(opening: Opening) -> None:
    """Raises CannotCheck for a physical copy with damage: nobody knows which rows of it are right."""
    found = opening.through.findings if opening.through is not None else ()
    damage = next((one for one in found if one.severity is Severity.FAULT), None)
    if damage is not None:
        raise CannotCheck(f"nothing is brought back from a damaged backup: {damage.message}", damage.advice)


@dataclass(frozen=True, slots=True)
class _Script:
    """What is to be written, and run."""

    left: RowSide
    right: RowSide
    engine: Engine
    fixes: Sequence[Fix]
    made: Sequence[ObjectFix]
    gone: Plan | None


def _put(right: Path | Address, how: Mending, what: _Script) -> None:
    """Write both scripts; run the one that brings back, if that was asked for: whole tables first."""
    forward, back = (_stilled(work, what, how) for work in _works(what.fixes, what.made, what.engine))
    told = [*_counts(what.fixes, what.gone), *(f"made anew: {one.item.key.label}" for one in what.made)]
    header = _header(what.left, what.right, how, told)
    statements = dialect_of(what.engine).statements
    tables = what.gone.script() if what.gone is not None else iter(())
    _write(how.out, chain(tables, statements.script(forward)), header("brings back what is missing or changed"))
    _write(how.undo, statements.script(back), header("takes back what the other script did, but for whole tables"))
    if how.apply_to is None or not isinstance(right, Address):
        return
    if what.gone is not None:
        what.gone.apply()
    server_of(right.engine).apply(right, forward)


def _stilled(work: Work, what: _Script, how: Mending) -> Work:
    """The same, with the triggers of its tables kept from running, where that is asked for."""
    if not how.without_triggers:
        return work
    tables = [fix.pair.right.name for fix in what.fixes if fix.inserts or fix.updates]
    still = dialect_of(what.engine).statements.without_triggers(tables)
    if still is None:
        raise UsageError(
            f"{dialect_of(what.engine).title} has no way to keep triggers from running in a transaction",
            "leave --without-triggers away, and look at what differs afterwards",
        )
    return replace(work, before=[*work.before, *still[0]], behind=[*still[1], *work.behind])


def _engine(left: RowSide, right: RowSide) -> Engine:
    """The engine that statements are for. Raises UsageError where there is none, or the sides are of two."""
    engine = right.engine or left.engine
    if engine is None:
        raise UsageError(f"{right.name}: is a file of rows, which no statement changes", "name a database as RIGHT")
    if left.engine is not None and left.engine.family is not engine.family:
        raise UsageError(
            f"{left.name} is of {left.engine.value}, {right.name} of {engine.value}",
            "rows are brought back between sides of one engine only",
        )
    return engine


def _mended(fixes: Sequence[Fix]) -> Iterator[MendedTable]:
    """What is done to each table, for programs."""
    for fix in fixes:
        if fix.inserts or fix.updates or fix.extra:
            yield MendedTable(
                database=fix.pair.name.database, schema=fix.pair.name.schema, name=fix.pair.name.name,
                inserts=fix.inserts, updates=fix.updates, extra=fix.extra,
            )  # fmt: skip


def _whole(gone: Plan) -> Iterator[MendedTable]:
    """Tables that come back whole."""
    for table, rows in gone.rows.items():
        yield MendedTable(
            database=table.database, schema=table.schema, name=table.name, inserts=rows, updates=0, extra=0
        )


def _plan(left: RowSide, right: Path | Address, pairing: Pairing, how: Mending, stack: ExitStack) -> Plan | None:
    """What brings tables back that are gone, if they are to be a part of the script and LEFT defines them."""
    if not how.objects or not pairing.only_left or left.backup is None or not isinstance(right, Address):
        return None
    extracting = Extracting(
        opening=how.comparing.opening, tables=[table.name.full_label for table in pairing.only_left]
    )
    putting = PuttingBack(extracting=extracting, address=right, timeout_seconds=how.comparing.timeout_seconds)
    plan = planned([left.backup], putting, stack.enter_context(nameless_file(how.comparing.opening.work_folder)))
    return plan if plan.whole else None


def _works(fixes: Sequence[Fix], made: Sequence[ObjectFix], engine: Engine) -> tuple[Work, Work]:
    """What brings all back, and what takes it away again."""
    statements, lists = dialect_of(engine).statements, count(1)
    tables = [Changes(fix, statements, lists) for fix in fixes]
    forward = Work(
        rows=[one for changes in tables for one in changes.forward()],
        behind=[
            heading(item.item.key.kind, item.item.key.label) + statement for item in made for statement in item.forward
        ],
    )
    back = Work(
        rows=[one for changes in reversed(tables) for one in changes.back()],
        before=[statement for item in reversed(made) for statement in item.back],
    )
    return forward, back


def _check(right: Path | Address, how: Mending) -> None:
    """Raises UsageError for what can't be: outputs that exist, a place that is no database, another database's name."""
    for path in (how.out, how.undo):
        if path is not None and path.exists():
            raise UsageError(f"{path}: is there already", "name another file; a script is never overwritten")
    if isinstance(right, Address) and dialect_of(right.engine).has_schemas and right.database is None:
        raise UsageError(f"{right.label}: names no database, and a script is for one", "name it in the address")
    if how.apply_to is None:
        return
    if not isinstance(right, Address):
        raise UsageError("--apply needs a live database as RIGHT", "leave --apply away, and feed the script yourself")
    if how.apply_to != right.database:
        raise UsageError(
            f"--apply names {how.apply_to!r}, RIGHT is the database {right.database!r}",
            "give the very name of the database that is to be changed",
        )


def _fixes(sides: tuple[RowSide, RowSide], pairing: Pairing, how: Mending, stack: ExitStack) -> list[Fix]:
    """What is brought back of each pair of tables that differ."""
    comparing = replace(how.comparing, limit=0)
    fixes: list[Fix] = []
    causes: list[tuple[int, Explanation]] = []
    for found in matched(*sides, pairing, comparing, stack):
        fix = Fix(found.pair)
        differences = found.differences(Picker(fix, how.only).take)
        if differences is not None:
            causes += [(len(fixes), cause) for cause in differences.explanations()]
        fixes.append(fix)
    return fixes if how.only_cause is None else _of_causes(fixes, causes, how.only_cause)


def _of_causes(fixes: Sequence[Fix], causes: Sequence[tuple[int, Explanation]], wanted: str) -> list[Fix]:
    """The rows of one cause, by its number in the order of a comparison, or of all causes of a kind.

    Raises UsageError where there is none such.
    """
    chosen = [
        (place, cause)
        for number, (place, cause) in enumerate(causes, 1)
        if wanted == cause.kind or (wanted.isdecimal() and int(wanted) == number)
    ]
    if not chosen:
        known = "; ".join(
            f"{number} {cause.kind} of {fixes[place].pair.name.label}"
            for number, (place, cause) in enumerate(causes, 1)
        )
        raise UsageError(
            f"--only-cause {wanted}: no cause of these differences is called so", f"there are: {known or 'none'}"
        )
    return [of_cause(fixes[place], cause) for place, cause in chosen]


def _ordered(fixes: list[Fix]) -> list[Fix]:
    """Tables that others refer to first; those that refer to each other in a loop keep their order."""
    by_name = {fix.pair.left.name: fix for fix in fixes}
    done: dict[Name, Fix] = {}

    def visit(fix: Fix, on_the_way: frozenset[Name]) -> None:
        name = fix.pair.left.name
        if name in done or name in on_the_way:
            return
        for parent in fix.pair.left.references:
            if parent in by_name:
                visit(by_name[parent], on_the_way | {name})
        done[name] = fix

    for fix in fixes:
        visit(fix, frozenset())
    return list(done.values())


def _gone(pairing: Pairing, left: RowSide, right: RowSide, how: Mending, plan: Plan | None) -> Iterator[Finding]:
    """Tables that RIGHT has lost: what brings them back, or that they come back whole."""
    if plan is not None:
        yield from plan.findings
        return
    if not pairing.pairs and not right.live:
        return
    for table in pairing.only_left:
        live = (
            f"--into {shlex.quote(how.right_word)} --confirm {right.database_name or 'NAME'}"
            if right.live
            else "--out FILE"
        )
        yield doubt(
            "table-gone",
            f"{table.name.full_label} is gone on the right, so no row of it was brought back",
            f"sospes extract {left.name} {table.name.label} {live} brings it back whole"
            + ("; with --objects it is a part of the script" if right.live and left.backup is not None else ""),
            Place(database=table.name.database, schema=table.name.schema, table=table.name.name),
        )


def _triggers(right: RowSide, fixes: Sequence[Fix], *, without: bool) -> list[Finding]:
    """Triggers on tables that are changed: what they do comes on top of the script."""
    if not right.live:
        return []
    tables = {
        (fix.pair.right.name.schema or "", fix.pair.right.name.name) for fix in fixes if fix.inserts + fix.updates
    }
    if not tables:
        return []
    side = right.objects_of(right.database_name, every=False)
    found = [key for key in side.found if key.kind == "trigger"] if side is not None else []
    named = [f"{key.name} on {key.about}" for key in found if (key.schema, key.about) in tables]
    if not named:
        return []
    if without:
        listed = ", ".join(sorted(named))
        return [
            note("triggers-kept-still", f"triggers are kept from running for the rows that are brought back: {listed}")
        ]
    return [
        note(
            "triggers-run",
            f"triggers will run for the rows that are brought back: {', '.join(sorted(named))}",
            "look at what they do; compare once more after the script was applied; or give --without-triggers",
        )
    ]


def _left_over(left_place: Path | Address, right_place: Path | Address, how: Mending) -> Iterator[Finding]:
    """What still differs once all was applied: triggers, or somebody else, changed it again."""
    with ExitStack() as stack:
        left, right = opened_sides(left_place, right_place, how.comparing, stack)
        pairing = pair_tables(left, right, how.comparing.choice)
        fixes = _fixes((left, right), pairing, replace(how, only_cause=None), stack)
    differing = {fix.pair.name.full_label: fix.inserts + fix.updates for fix in fixes if fix.inserts + fix.updates}
    if not differing:
        yield note("compared-again", "compared once more: of what was brought back, nothing differs any more")
    elif how.only_cause is not None:
        told = ", ".join(f"{label} {rows:,}" for label, rows in differing.items())
        yield note("compared-again", f"compared once more: rows that differ still, by other causes: {told}")
    else:
        for label, rows in differing.items():
            yield fault(
                "rows-still-differ",
                f"{label}: {rows:,} rows differ again or still, though all statements were applied",
                "a trigger, or another session, changed them: look at them, and compare again",
            )


def _notes(fixes: Sequence[Fix]) -> Iterator[Finding]:
    """What the script leaves alone."""
    extra = sum(fix.extra for fix in fixes)
    if extra:
        rows = "1 row is" if extra == 1 else f"{extra:,} rows are"
        yield note("rows-extra", f"{rows} only on the right; the script leaves them alone")


def _unwritable(engine: Engine, fixes: Sequence[Fix]) -> Iterator[Finding]:
    """Names that the engine's own client reads otherwise than they are written."""
    for fix in fixes:
        names = (fix.pair.right.name.name, *(column.name for column in fix.pair.right.columns))
        why = next(filter(None, map(dialect_of(engine).unwritable, names)), "")
        if (fix.inserts or fix.updates) and why:
            yield doubt(
                "name-unwritable",
                f"{fix.pair.name.label}: a name {why}",
                "feed the script by a program of your own, or with --table choose the other tables",
            )


def _counts(fixes: Sequence[Fix], gone: Plan | None) -> Iterator[str]:
    """What the script does, table by table."""
    if gone is not None:
        yield "Tables that are gone come back whole, in a transaction of their own where the engine has such."
        yield from (f"{table.full_label}: whole, {rows:,} rows" for table, rows in gone.rows.items())
    for fix in fixes:
        if fix.inserts or fix.updates:
            yield f"{fix.pair.name.full_label}: {fix.inserts:,} rows inserted, {fix.updates:,} changed"


def _header(left: RowSide, right: RowSide, how: Mending, counts: Sequence[str]) -> Callable[[str], list[str]]:
    """What a reader must know before the script is fed to a server; given what the script does."""
    made = how.now.isoformat(timespec="seconds") if how.now else ""
    return lambda does: [
        f"Made by sospes mend on {made}; it {does}.",
        f"From: {left.name}",
        f"For:  {right.name}",
        "Rows in one transaction; it ends without a change at the first row that is not as it was compared.",
        *counts,
    ]


def _write(path: Path | None, script: Iterator[bytes], header: Sequence[str]) -> None:
    """Write a script beside and rename it."""
    if path is None:
        return
    comments = (b"-- " + " ".join(line.split()).encode() + b"\n" for line in header)
    write_whole(path, chain(comments, script), "name another file")

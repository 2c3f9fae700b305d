"""Retraces what was done from change logs, and finds the last good moment before it."""

from __future__ import annotations

import time
from collections.abc import Callable, Collection, Iterable, Sequence
from dataclasses import dataclass, field
from pathlib import Path

from sospes.formats.retracing import Tracing, open_tracing
from sospes.model.entries import Name
from sospes.model.errors import NotFound
from sospes.model.findings import Finding, doubt, note, verdict_of
from sospes.model.moments import Moment, MomentKind, assumed, iso, position, server_microseconds
from sospes.model.outcome import Outcome
from sospes.model.retracing import LastGood, OperationKind, Retraced, Subject, Total, Traced
from sospes.model.verdict import Rung, Verdict
from sospes.sides.registry import recovery_of
from sospes.sides.servers.address import Address
from sospes.work.look.damage import condensed
from sospes.work.selection import means, near

UNASKED = frozenset({OperationKind.ABORT, OperationKind.MARK})
"""Kinds that change nothing: nobody's mistake, unless they are asked for."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Wanted:
    """What is looked for; empty for everything.

    limit  operations that are given one by one
    """

    tables: Collection[str] = ()
    kinds: Collection[OperationKind] = ()
    database: str | None = None
    from_: Moment | None = None
    to: Moment | None = None
    limit: int = 20

    @property
    def is_narrow(self) -> bool:
        """Whether some operations are looked for, and not all."""
        return bool(self.tables or self.kinds or self.database or self.from_)


@dataclass(slots=True)
class _Sum:
    """Operations of one kind and table by now."""

    operations: int = 0
    rows: int | None = None
    first: int | None = None
    last: int | None = None

    def add(self, traced: Traced) -> None:
        """Take in one."""
        self.operations += 1
        if traced.rows is not None:
            self.rows = (self.rows or 0) + traced.rows
        time = traced.time
        if self.first is None or time < self.first:
            self.first = time
        if self.last is None or time > self.last:
            self.last = time


@dataclass(slots=True)
class _Kept:
    """What is kept of all that came by: its memory grows with the number of tables, not with the log.

    tables        gives the tables that are known at this point
    begun, ended  the moment came by from which on, and up to which, operations are wanted
    """

    wanted: Wanted
    tables: Callable[[], set[Name]]
    first: list[Traced] = field(default_factory=list)
    sums: dict[tuple[Subject, OperationKind], _Sum | None] = field(default_factory=dict)
    matched: int = 0
    internal: int = 0
    incomplete: int = 0
    first_change: Traced | None = None
    begun: bool = False
    ended: bool = False

    def take(self, found: Iterable[Traced]) -> None:
        """Take in the next operations."""
        wanted, sums = self.wanted, self.sums
        timed = wanted.from_ is not None or wanted.to is not None
        for traced in found:
            if timed and (not _is_from(traced, self) or _is_past(traced, self)):
                continue
            subject = traced.subject
            if subject.internal:
                self.internal += traced.rows or 0
                continue
            key = (subject, traced.kind)
            try:
                mine = sums[key]
            except KeyError:
                mine = sums[key] = _Sum() if self._fits(traced) else None
            if mine is None:
                continue
            self.matched += 1
            self.incomplete += not traced.complete
            mine.add(traced)
            if len(self.first) < wanted.limit:
                self.first.append(traced)
            if self.first_change is None and (traced.kind not in UNASKED or traced.kind in wanted.kinds):
                self.first_change = traced

    def _fits(self, traced: Traced) -> bool:
        wanted, subject = self.wanted, traced.subject
        if wanted.kinds and traced.kind not in wanted.kinds:
            return False
        if wanted.database is not None and subject.database != wanted.database:
            return False
        if not wanted.tables:
            return True
        mine = [subject.table_name]
        if traced.kind is OperationKind.DROP and subject.table is None and subject.table_file is None:
            mine = [name for name in self.tables() if name.database == subject.database]  # they go with it
        return any(means(text, name) for text in wanted.tables for name in mine if name is not None)


@dataclass(frozen=True, slots=True, kw_only=True)
class Retracing:
    """How logs are read.

    beside    places with base backups that know the names of tables, and with more logs
    live      a database of the same cluster that names tables as they are now
    with_keys whether the keys of some rows are told, too
    progress  is told the bytes of the log that were read
    """

    wanted: Wanted
    beside: Sequence[Path] = ()
    live: Address | None = None
    work_folder: Path | None = None
    with_keys: bool = False
    progress: Callable[[int], None] | None = None


def retrace(places: Sequence[Path], how: Retracing) -> Outcome[Retraced]:
    """What logs tell that was done, in one pass over them.

    Raises NotFound for a place or a table that isn't there, CannotCheck where no log is, UsageError for logs of several
    clusters.
    """
    begin = time.perf_counter()
    tracing = open_tracing(places, how.beside, how.work_folder, with_keys=how.with_keys)
    if how.live is not None:
        tracing.take_live(how.live.label, recovery_of(tracing.engine).relations(how.live, tracing.system))
    kept = _Kept(how.wanted, tracing.tables)

    for found in tracing.operations(how.progress or (lambda _: None)):
        kept.take(found)
    _require_tables(kept, tracing)
    findings = _findings(tracing, kept)
    read = () if verdict_of(findings) is not Verdict.SOUND else (Rung.INTACT,)
    return Outcome(
        name=", ".join(map(str, places)),
        findings=tuple(condensed(findings)),
        evidence=(Rung.PRESENT, Rung.IDENTIFIED, *read),
        result=_retraced(tracing, kept),
        seconds=time.perf_counter() - begin,
    )


def _is_from(traced: Traced, kept: _Kept) -> bool:
    """Whether the beginning that is wanted has come."""
    moment = kept.wanted.from_
    if moment is None or kept.begun:
        return True
    if moment.time is not None:  # times of commits needn't rise, so each counts for itself
        return traced.time >= server_microseconds(moment.time)
    kept.begun = traced.ended >= moment.offset if moment.offset is not None else _is_at(traced, moment)
    return kept.begun


def _is_past(traced: Traced, kept: _Kept) -> bool:
    """Whether the end that is wanted lies behind."""
    moment = kept.wanted.to
    if moment is None:
        return False
    if moment.time is not None:
        return traced.time > server_microseconds(moment.time)
    if moment.offset is not None:
        return traced.ended >= moment.offset
    is_at = _is_at(traced, moment)
    past = kept.ended and not is_at  # the last transaction counts with all that it did
    kept.ended = kept.ended or is_at
    return past


def _is_at(traced: Traced, moment: Moment) -> bool:
    if moment.kind is MomentKind.TRANSACTION:
        return traced.transaction == int(moment.value) & 0xFFFFFFFF
    return traced.subject.name == moment.value


def _require_tables(kept: _Kept, tracing: Tracing) -> None:
    """A table that is asked for by name, and that nothing was done to, may be a wrong name."""
    known = tracing.tables() | {name for subject, _ in kept.sums if (name := subject.table_name) is not None}
    for text in kept.wanted.tables:
        if known and tracing.names_from is not None and not any(means(text, name) for name in known):
            raise NotFound(f"no table is called {text!r} in these logs", near(text, known))


def _findings(tracing: Tracing, kept: _Kept) -> list[Finding]:
    found = [*tracing.findings, *assumed(kept.wanted.from_, kept.wanted.to)]
    if tracing.names_from is None:
        unsure = doubt if kept.wanted.tables else note
        found.append(unsure("names-unknown", _NAMELESS, _NAME_THEM))
    if kept.incomplete:
        found.append(
            note(
                "transaction-begun-before",
                f"{kept.incomplete:,} operations are of transactions that may have begun before this log",
                "add the files before these, to see all that they did",
            )
        )
    for moment in (kept.wanted.from_, kept.wanted.to):
        if moment is not None and moment.time is None and moment.offset is None and not _was_met(moment, kept):
            found.append(doubt("moment-unseen", f"{moment.words} is not in this log", "check it, or name more files"))
    return found


_NAMELESS = "the log has numbers instead of names: only of tables that were made in it the names are known"
_NAME_THEM = "name a base backup of this cluster with --with FOLDER, or the live database with --live URL"


def _was_met(moment: Moment, kept: _Kept) -> bool:
    return kept.begun if moment is kept.wanted.from_ else kept.ended


def _retraced(tracing: Tracing, kept: _Kept) -> Retraced:
    first, last = tracing.times
    trace = tracing.trace
    totals = [
        Total(
            database=subject.database, schema=subject.schema, table=subject.table, table_file=subject.table_file,
            kind=kind, operations=one.operations, rows=one.rows, first_at=iso(one.first), last_at=iso(one.last),
        )
        for (subject, kind), one in kept.sums.items()
        if one is not None
    ]  # fmt: skip
    good = kept.first_change if kept.wanted.is_narrow else None
    return Retraced(
        engine=tracing.engine.value, system_identifier=str(tracing.system), names_from=tracing.names_from,
        log_from=position(tracing.log_from), log_to=position(tracing.log_to) if tracing.log_to is not None else None,
        first_at=first, last_at=last, records=trace.records, bytes_read=tracing.bytes_read, commits=trace.commits,
        aborts=trace.aborts, internal=kept.internal, open_at_end=trace.open, matched=kept.matched,
        operations=tuple(map(tracing.operation, kept.first)), totals=tuple(totals),
        last_good=LastGood(before=tracing.before(good), at=iso(good.time)) if good is not None else None,
    )  # fmt: skip

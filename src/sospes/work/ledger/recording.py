"""Writes down what a command has proven, and says what is unusual beside the nights before."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

from sospes import __version__
from sospes.formats.opening import Opening
from sospes.formats.registry import FORMS
from sospes.model.entries import joined
from sospes.model.errors import CannotCheck, SospesError
from sospes.model.findings import Finding, note
from sospes.model.moments import time_of
from sospes.model.outcome import Description, Outcome, TableSummary
from sospes.model.verdict import Verdict
from sospes.places.local import local_folder
from sospes.places.registry import STANDARD_INPUT, open_source
from sospes.places.stamps import file_set
from sospes.places.writing import machine
from sospes.stream.passing import PassedBytes, digest_of, digest_of_folder
from sospes.work.ledger.proof import Proof, told
from sospes.work.ledger.store import Ledger
from sospes.work.ledger.unusual import unusual
from sospes.work.look.heads import HeadOf, head_of

MOST_LOOKED_AT = 400
"""Earlier proofs of a lineage that tonight's is held against: several for each night, of two months at least."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Recording:
    """What goes into the ledger beside the outcome itself.

    paths   the backup, several being its pieces in order
    passed  its bytes' digest, where they were read in one pass
    side    where it was restored to
    now     the time of the proof
    """

    ledger: Ledger
    command: str
    paths: Sequence[Path]
    opening: Opening
    now: datetime
    passed: PassedBytes | None = None
    side: str | None = None


def recorded(outcome: Outcome[Any], tables: Sequence[TableSummary], how: Recording) -> Outcome[Any]:
    """Write an outcome down; the same outcome, with notes of what is unusual about the backup.

    What can't be written is a note, and costs no verdict.
    """
    if not outcome.evidence:
        return outcome
    try:
        proof = _proof_of(outcome, tables, how)
        before = how.ledger.proofs(lineage=proof.lineage, most=MOST_LOOKED_AT)
        how.ledger.add(proof)
        if not _is_streamed(how.paths):
            lying = file_set(how.paths)
            how.ledger.remember_digest(lying.name, lying.stamp, proof.digest)
    except Exception as error:  # whatever it is, it must not cost the backup its verdict
        problem = error.problem if isinstance(error, SospesError) else f"{type(error).__name__}: {error}"
        advice = "what was found holds all the same; mend that, or say --no-ledger"
        return _noted(outcome, [note("ledger-not-written", f"the ledger does not have this proof: {problem}", advice)])
    return _noted(outcome, unusual(proof, before)) if proof.verdict != Verdict.UNSOUND.word else outcome


def _noted(outcome: Outcome[Any], notes: Sequence[Finding]) -> Outcome[Any]:
    more = tuple(item.at(file=outcome.name) for item in notes)
    return replace(outcome, findings=(*outcome.findings, *more)) if more else outcome


def _proof_of(outcome: Outcome[Any], tables: Sequence[TableSummary], how: Recording) -> Proof:
    head = _head(outcome, tables, how)
    lineages = how.ledger.lineages()
    paths = list(how.paths)
    found = head.origin(None if _is_streamed(paths) else paths[0])
    counted = frozenset(joined(table.schema, table.name) for table in tables)
    origin = replace(found, tables=counted or found.tables)
    counts = [table.rows for table in tables if table.rows is not None]
    several = len({table.database for table in tables}) > 1
    return Proof(
        lineage=lineages.of(origin),
        base=origin.base,
        backup=STANDARD_INPUT if _is_streamed(paths) else str(paths[0].absolute()),
        digest=bytes_digest(paths, how.passed),
        size_bytes=how.passed.size if how.passed and how.passed.digest else file_set(paths).size_bytes,
        format=head.format,
        engine=head.engine,
        kind=getattr(outcome.result, "kind", None) or head.kind,
        written_at=head.written_at,
        dated_at=_dated(head, paths, how.now),
        command=how.command,
        at=how.now.astimezone(UTC).isoformat(timespec="milliseconds"),
        side=how.side,
        rung=outcome.rung.value if outcome.rung else None,
        verdict=outcome.verdict.word,
        evidence=tuple(rung.value for rung in outcome.evidence),
        seconds=round(outcome.seconds, 4),
        steps=tuple((step.name, step.seconds) for step in getattr(outcome.result, "steps", ())),
        rows=sum(counts) if counts else None,
        tables={joined(table.database if several else None, table.schema, table.name): table.rows for table in tables},
        findings=told(outcome.findings),
        machine=machine(),
        sospes=__version__,
    )


def _head(outcome: Outcome[Any], tables: Sequence[TableSummary], how: Recording) -> HeadOf:
    """What its head says; of what came once, what was read of it."""
    if not _is_streamed(how.paths):
        return head_of(how.paths, how.opening)
    found = outcome.result
    if isinstance(found, Description):
        return HeadOf(
            format=found.format, engine=found.engine, engine_version=found.engine_version, kind=found.kind,
            databases=found.databases, server=found.server, system=found.system_identifier,
            whole_server=found.whole_server, written_at=found.written_at,
        )  # fmt: skip
    databases = {table.database for table in tables} - {None}
    return HeadOf(
        format=found.format, engine=found.engine, kind=found.kind, databases=tuple(sorted(map(str, databases)))
    )


def bytes_digest(paths: Sequence[Path], passed: PassedBytes | None = None) -> str:
    """The digest of a backup's stored bytes: of the pass that was made, else by reading them now."""
    if passed is not None and passed.digest is not None:
        return passed.digest
    if _is_streamed(paths):
        raise CannotCheck("standard input was not read to its end", "put it into a file, and name that")
    if len(paths) == 1 and any(form.is_folder(paths[0]) for form in FORMS):
        return digest_of_folder(local_folder(paths[0]))
    return digest_of(open_source(paths))


def _is_streamed(paths: Sequence[Path]) -> bool:
    return [str(path) for path in paths] == [STANDARD_INPUT]


def _dated(head: HeadOf, paths: Sequence[Path], now: datetime) -> str:
    """When the backup was written; its file's own time where it doesn't say."""
    stated = time_of(head.written_at)
    if stated is None:
        stated = now if _is_streamed(paths) else datetime.fromtimestamp(paths[0].stat().st_mtime, UTC)
    return stated.astimezone(UTC).isoformat(timespec="seconds")

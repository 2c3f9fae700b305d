"""Reads every byte of a backup and finds all damage; with a seal, also whatever was changed since."""

from __future__ import annotations

import time
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from pathlib import Path
from typing import TYPE_CHECKING

from sospes.formats.opening import Opening, open_backup, unreadable
from sospes.model.errors import SospesError
from sospes.model.events import Event
from sospes.model.findings import Finding, doubt, verdict_of
from sospes.model.outcome import Description, Outcome
from sospes.model.progress import Progress
from sospes.model.verdict import Rung, Severity, Verdict
from sospes.places.registry import open_source
from sospes.stream.blocks import Digest, whole_digest
from sospes.work.look.reading import read_through

if TYPE_CHECKING:
    from sospes.work.seal.form import Seal
    from sospes.work.seal.using import SealUse

ALWAYS_CHECKED = 16 << 20
"""Bytes of rows whose values are held against their types in every verification; all of them with --values."""

KEYS_CHECKED = 1 << 20
"""A backup of no more plain bytes has its keys and references checked as well, which takes a second reading."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Looking:
    """How to look: `progress` hears of the bytes read.

    values       verify checks every value against its column's type, and keys and references
    quick        verify checks the bytes by the seal alone
    seal         which seal verify uses
    hide_values  findings don't show the values that they are about
    """

    opening: Opening
    values: bool = False
    quick: bool = False
    seal: SealUse | None = None
    hide_values: bool = False
    progress: Progress | None = None


def verify(paths: Sequence[Path], looking: Looking) -> Outcome[Description]:
    """Read every byte of a backup and find all damage; with a seal, also whatever was changed since.

    Raises UsageError for `quick` without a seal.
    """
    from sospes.work.seal.using import find_seal, require_seal

    begin = time.perf_counter()
    seal, seal_path, sealed = find_seal(paths, looking.seal) if looking.seal else (None, None, [])
    if looking.quick:
        require_seal(seal, seal_path, paths)
        description, findings, form = _by_seal(paths, looking, seal)
    else:
        description, findings, form = _fully(paths, looking, seal)
    findings = (*sealed, *findings)
    evidence = [Rung.PRESENT]
    if form is not None:
        evidence.append(Rung.IDENTIFIED)
        if verdict_of(findings) is Verdict.SOUND:
            evidence.append(Rung.INTACT)
    return Outcome(
        name=description.name,
        findings=findings,
        evidence=tuple(evidence),
        result=description,
        seconds=time.perf_counter() - begin,
    )


def _by_seal(
    paths: Sequence[Path], looking: Looking, seal: Seal | None
) -> tuple[Description, tuple[Finding, ...], str | None]:
    """Only compare the bytes with those that were sealed."""
    from sospes.work.seal.using import changed_bytes, older_note, summaries

    source = open_source(paths)
    if seal is None:
        return Description(name=source.name, size_bytes=source.size), (), None
    findings = changed_bytes(seal, source, looking.progress)
    if looking.opening.passed is not None and not findings and seal.digest is Digest.FAST:
        looking.opening.passed.known(whole_digest(seal.digests, seal.digest), seal.size_bytes)
    findings += [*source.changes()] if findings else older_note(seal, source)
    if seal.header["verdict"] != Verdict.SOUND.word:
        findings.append(
            doubt(
                "sealed-unproven",
                "the backup was not proven sound when it was sealed",
                "verify it without --quick to see what was in doubt",
            )
        )
    description = Description(
        name=source.name,
        **{key: seal.header[key] for key in ("format", "engine", "engine_version", "compression", "written_at")},
        databases=tuple(seal.header["databases"]),
        size_bytes=source.size,
        tables=None if any(finding.code == "seal-foreign" for finding in findings) else summaries(seal.tables),
        bytes_read=source.size,
        plain_bytes=seal.plain_bytes,
        checked_by="seal",
    )
    return description, tuple(finding.at(file=source.name) for finding in findings), seal.header["format"]


def _fully(
    paths: Sequence[Path], looking: Looking, seal: Seal | None
) -> tuple[Description, tuple[Finding, ...], str | None]:
    from sospes.work.look.values import ValueChecks, key_findings, summary_of
    from sospes.work.seal.using import changed_bytes, changed_tables, older_note

    opened = open_backup(paths, looking.opening)
    changed = changed_bytes(seal, opened.source) if seal else []
    checks = ValueChecks(hide=looking.hide_values, most_bytes=None if looking.values else ALWAYS_CHECKED)
    sums = None
    if changed and changed[0].code != "seal-foreign":
        from sospes.work.seal.making import RowSums

        sums = RowSums()

    def watch(event: Event) -> Iterator[Finding]:
        yield from checks.take(event, lambda: opened.engine)
        if sums is not None:
            sums.take(event, opened)

    description, findings = read_through(opened, looking.progress, watch)
    if opened.form is not None:
        findings += tuple(map(opened.weighed, checks.remainder()))
    small = opened.plain_bytes <= KEYS_CHECKED and "-" not in map(str, paths) and not _told_fault(findings)
    small = small and bool(checks.keys) and opened.reader is not None and opened.reader.abilities.defines_all
    if small or (looking.values and opened.form is not None):
        keyed = map(opened.weighed, key_findings(paths, looking.opening, checks))
        findings += tuple(keyed)
    if looking.values and opened.form is not None:
        description = replace(description, values=summary_of(checks))
    if seal is not None:
        changed += changed_tables(seal, sums) if sums is not None else older_note(seal, opened.source)
        description = replace(description, checked_by="reading and seal")
    return description, (*(finding.at(file=opened.name) for finding in changed), *findings), opened.form


def not_carried_out(name: str, error: Exception) -> Outcome[Description]:
    """The outcome for a backup that can't be read, when others are looked at in the same run."""
    found = doubt("not-carried-out", error.problem, error.hint) if isinstance(error, SospesError) else unreadable(error)
    finding = found.at(file=name)
    return Outcome(name=name, findings=(finding,), evidence=(), result=Description(name=name))


def _told_fault(findings: Sequence[Finding]) -> bool:
    return any(finding.severity is Severity.FAULT for finding in findings)

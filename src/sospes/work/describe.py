"""Looks at backups: the header alone, the contents, or every byte."""

from __future__ import annotations

import re
import time
from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from pathlib import Path
from typing import TYPE_CHECKING

from sospes.formats.archive.reader import ArchiveReader
from sospes.formats.opening import Opened, Opening, open_backup, unreadable
from sospes.formats.script.header import HeaderNotes
from sospes.formats.script.lexis import Lexis
from sospes.formats.script.reader import ScriptReader
from sospes.formats.sqlite.reader import SqliteReader
from sospes.model.entries import Engine, Entry
from sospes.model.errors import SospesError
from sospes.model.events import Batch, Event, Header, Notation, RowsBegin
from sospes.model.findings import Finding, doubt, fault, note, verdict_of
from sospes.model.progress import Doing, Progress
from sospes.model.verdict import Rung, Severity, Verdict
from sospes.places.source import open_source
from sospes.stream.containers import Block
from sospes.work.damage import BREAKS, condensed
from sospes.work.outcome import Description, Outcome
from sospes.work.tally import Tally

if TYPE_CHECKING:
    from sospes.work.seal import Seal
    from sospes.work.sealed import SealUse

TAIL_SIZE = 4096
ALWAYS_CHECKED = 16 << 20
"""Bytes of rows whose values are held against their types in every verification; all of them with --values."""

KEYS_CHECKED = 1 << 20
"""A backup of no more plain bytes has its keys and references checked as well, which takes a second reading."""

_TAIL_CLOSING = re.compile(
    rb"(?:--\r?\n-- PostgreSQL database (?:cluster )?dump complete\r?\n--\s*(?:\\unrestrict (\w+)\s*)?"
    rb"|-- Dump completed(?: on \d{4}-\d\d-\d\d +\d{1,2}:\d\d:\d\d)?\s*|\nCOMMIT;\s*)\Z"
)


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


def inspect(paths: Sequence[Path], looking: Looking, contents: bool) -> Outcome[Description]:
    """Header and, with `contents`, everything in a backup.

    Without `contents` only the head is read, and the tail where there is no container.
    """
    begin = time.perf_counter()
    opened = open_backup(paths, looking.opening)
    evidence = [Rung.PRESENT]
    if opened.form == "pg-archive" and not contents:
        description, findings = _contents_only(opened)
    elif contents or opened.form != "sql-script":
        if isinstance(opened.reader, SqliteReader):
            opened.reader.check_pages = contents
            opened.reader.wants = lambda _: contents
        description, findings = _read_through(opened, looking)
        if not contents and description.tables is not None:
            description = replace(description, tables=tuple(replace(table, rows=None) for table in description.tables))
    else:
        description, findings = _header_only(opened)
    if opened.form is not None:
        evidence.append(Rung.IDENTIFIED)
    return Outcome(
        name=opened.name,
        findings=findings,
        evidence=tuple(evidence),
        result=description,
        seconds=time.perf_counter() - begin,
    )


def verify(paths: Sequence[Path], looking: Looking) -> Outcome[Description]:
    """Read every byte of a backup and find all damage; with a seal, also whatever was changed since.

    Raises UsageError for `quick` without a seal.
    """
    from sospes.work.sealed import find_seal, require_seal

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
    from sospes.work.sealed import changed_bytes, older_note, summaries

    source = open_source(paths)
    if seal is None:
        return Description(name=source.name, size_bytes=source.size), (), None
    findings = changed_bytes(seal, source, looking.progress)
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
    from sospes.work.sealed import changed_bytes, changed_tables, older_note
    from sospes.work.values import ValueChecks, key_findings, summary_of

    opened = open_backup(paths, looking.opening)
    changed = changed_bytes(seal, opened.source) if seal else []
    checks = ValueChecks(hide=looking.hide_values, most_bytes=None if looking.values else ALWAYS_CHECKED)
    sums = None
    if changed and changed[0].code != "seal-foreign":
        from sospes.work.sealing import RowSums

        sums = RowSums()

    def watch(event: Event) -> Iterator[Finding]:
        yield from checks.take(event, opened.engine)
        if sums is not None:
            sums.take(event, opened)

    description, findings = _read_through(opened, looking, watch)
    if opened.form is not None:
        findings += tuple(map(opened.weighed, checks.remainder()))
    small = opened.text.plain_bytes <= KEYS_CHECKED and "-" not in map(str, paths) and not _told_fault(findings)
    small = small and bool(checks.keys) and opened.form in {"sql-script", "pg-archive"}
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


def followed(events: Iterable[Event], opened: Opened, progress: Progress | None) -> Iterator[Event]:
    """The events, telling `progress` how far the stored bytes were read, and what they are about."""
    doing = Doing()
    for count, event in enumerate(events):
        doing.take(event)
        if progress is not None and (isinstance(event, Batch | Entry) or count % 256 == 0):
            progress(opened.text.bytes_read, doing.what, doing.rows)
        yield event


def _nothing(_event: Event) -> Iterable[Finding]:
    return ()


def _read_through(
    opened: Opened, looking: Looking, watch: Callable[[Event], Iterable[Finding]] = _nothing
) -> tuple[Description, tuple[Finding, ...]]:
    tally = Tally()
    copied = False
    for event in followed(opened.events(), opened, looking.progress):
        copied = copied or (isinstance(event, RowsBegin) and event.notation is Notation.COPY)
        tally.take(event)
        for finding in watch(event):
            tally.take(opened.placed(finding))
    header = opened.reader.header if opened.reader else None
    findings = condensed(tally.findings)
    findings += tally.further()
    findings += misfits(opened, tally)
    kind = tally.kind(copied)
    if opened.form in {"sql-script", "pg-archive"} and kind == "schema-only":
        findings.append(
            note(
                "schema-only",
                "the backup holds definitions and no rows",
                "make sure that the rows are in another backup",
            )
        )
    description = _description(opened, header)
    if opened.form is not None:
        description = replace(
            description,
            kind=kind,
            tables=tally.summaries(),
            objects=tuple(tally.objects.values()),
        )
    return (
        replace(description, bytes_read=opened.text.bytes_read, plain_bytes=_unpacked(opened)),
        tuple(findings),
    )


def _unpacked(opened: Opened) -> int:
    """Bytes of plain text; of an archive those of its data."""
    return opened.reader.unpacked if isinstance(opened.reader, ArchiveReader) else opened.text.plain_bytes


def _told_fault(findings: Sequence[Finding]) -> bool:
    return any(finding.severity is Severity.FAULT for finding in findings)


def misfits(opened: Opened, tally: Tally) -> Iterator[Finding]:
    """What refers to something that isn't there, once everything was read and nothing was cut off."""
    if (
        opened.reader is not None
        and opened.form in {"sql-script", "pg-archive"}
        and not any(finding.code in BREAKS for finding in tally.findings)
    ):
        header = opened.reader.header
        for finding in (*tally.misfits(header.engine), *tally.undone()):
            yield opened.weighed(finding)


def _description(opened: Opened, header: Header | None) -> Description:
    if header is None:
        return Description(name=opened.name, compression=opened.compression, size_bytes=opened.source.size)
    return Description(
        name=opened.name,
        format=header.format,
        engine=header.engine.value if header.engine else None,
        engine_version=header.engine_version,
        program=header.program,
        databases=header.databases,
        encoding=header.encoding or opened.text.characters,
        compression=_compression(opened),
        entries=opened.reader.contents if isinstance(opened.reader, ArchiveReader) else None,
        started_at=header.started_at,
        written_at=str(header.written_at) if header.written_at else None,
        complete=header.complete,
        size_bytes=opened.source.size or opened.text.bytes_read or None,
    )


def _compression(opened: Opened) -> str | None:
    """What the bytes are packed in; an archive may be packed inside, around, or both."""
    inside = opened.reader.compression if isinstance(opened.reader, ArchiveReader) else None
    return "+".join(part for part in (opened.compression, inside) if part) or None


def _header_only(opened: Opened) -> tuple[Description, tuple[Finding, ...]]:
    """The head of a script, and its tail where the bytes lie open."""
    findings = [finding.at(file=opened.name) for finding in opened.findings]
    lexis = opened.reader.settings.lexis if isinstance(opened.reader, ScriptReader) else Lexis(Engine.POSTGRESQL)
    reader = ScriptReader(iter([Block(opened.head.plain, 0, 0)]), lexis, wants=lambda _: False)
    for _ in reader.events():
        pass  # a head ends anywhere, so what it lacks is no finding
    opened.text.containers = list(opened.head.containers)
    opened.text.characters = opened.head.characters
    complete = _complete_by_tail(opened, reader.notes)
    header = replace(reader.header, complete=complete)
    if header.complete is False:
        findings.append(
            fault(
                "closing-line-missing",
                "the closing line is missing, though the head of the script promises one",
                "the backup was cut off or its program failed: take it again",
            ).at(file=opened.name)
        )
    several = not opened.head.whole and (header.cluster or reader.notes.several)
    return replace(_description(opened, header), databases_at_least=several), tuple(findings)


def _contents_only(opened: Opened) -> tuple[Description, tuple[Finding, ...]]:
    """The table of contents of an archive, without its data."""
    reader = opened.reader
    findings = tuple(finding.at(file=opened.name) for finding in opened.findings)
    if not isinstance(reader, ArchiveReader):
        return _description(opened, None), findings
    tally = Tally()
    for entry in reader.listed():
        tally.take(entry)
    kinds = {entry.kind for entry in reader.contents}
    kind = "data-only" if "table" not in kinds else "full" if "table data" in kinds else "schema-only"
    description = replace(
        _description(opened, reader.header),
        kind=kind if kinds & {"table", "table data"} else None,
        tables=tally.summaries(counted=False),
        objects=tuple(tally.objects.values()),
    )
    return description, findings


def _complete_by_tail(opened: Opened, notes: HeaderNotes) -> bool | None:
    """Whether the closing line is there; None where only reading everything would tell."""
    size = opened.source.size
    if opened.head.whole:
        return notes.complete
    if opened.head.containers or opened.head.characters or size is None:
        return None
    tail = opened.source.tail_from(max(0, size - TAIL_SIZE), TAIL_SIZE)
    if not notes.openings and notes.engine is not Engine.SQLITE:
        return None
    match = _TAIL_CLOSING.search(tail)
    if match is None:
        return False
    notes.comment(match[0].decode("ascii", "replace").strip(), size)  # it says when the backup was written
    keys = notes.restrict_keys
    return not keys or (match[1] or b"").decode() in keys

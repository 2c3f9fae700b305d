"""What the head of a backup tells: form, engine, whose it is, when it was written, whether it seems whole."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace
from pathlib import Path

from sospes.formats.form import Glance, nothing
from sospes.formats.opening import HEAD_SIZE, Opened, Opening, open_backup
from sospes.formats.physical import physical_file
from sospes.model.findings import Finding
from sospes.model.kinds import Kind
from sospes.model.lineage import Origin, folder_of
from sospes.model.verdict import Severity

HEAD_BYTES = 128 << 10
"""Stored bytes of a beginning that are read: header, and the first definitions."""


@dataclass(frozen=True, slots=True, kw_only=True)
class HeadOf:
    """The head of one backup. Unknown is None; sizes in bytes, times in ISO 8601.

    compression  what it is packed in
    log_from     where it needs its server's log from, and `follows` where the backup begins that it builds on
    problem      why it is of no known form, or what its head lacks
    certain      whether the problem is a fault: nothing can be restored from it
    """

    format: str | None
    engine: str | None = None
    engine_version: str | None = None
    kind: str | None = None
    databases: tuple[str, ...] = ()
    server: str | None = None
    system: str | None = None
    whole_server: bool = False
    written_at: str | None = None
    complete: bool | None = None
    compression: str | None = None
    tables: tuple[str, ...] = ()
    log_from: str | None = None
    follows: str | None = None
    problem: str | None = None
    certain: bool = False

    def origin(self, path: Path | None) -> Origin:
        """Whose backup it is; the path of its file counts where its bytes name nothing."""
        return Origin(
            engine=self.engine, system=self.system, server=self.server, databases=self.databases,
            whole=self.whole_server, tables=frozenset(self.tables),
            folder="" if path is None else folder_of(path.absolute()),
        )  # fmt: skip


def head_of(paths: Sequence[Path], opening: Opening) -> HeadOf:
    """Look at the beginning of a backup, and at no more than its form needs.

    Raises NotFound, UsageError or CannotCheck where the files can't be read at all.
    """
    return head_in(open_head(paths, opening))


def open_head(paths: Sequence[Path], opening: Opening) -> Opened:
    """Open a backup to look at its head alone; a larger one where data come in large blocks."""
    how = replace(opening, wants=nothing, check_pages=False, passed=None, head_only=True, head_size=HEAD_BYTES)
    opened = open_backup(paths, how)
    if opened.head.containers and not opened.head.plain and (opened.source.size or 0) > HEAD_BYTES:
        return open_backup(paths, replace(how, head_size=HEAD_SIZE))
    return opened


_BEGINNING = re.compile(
    rb"\A(?:PRAGMA foreign_keys|SQLite format|PGDMP|/\*M!999999|toc\.dat)|^-- (?:PostgreSQL database|M\w+ dump)", re.M
)


def begins_itself(opened: Opened) -> bool:
    """Whether a file is a backup by itself, by its first bytes: then it is no further piece of one before it."""
    if opened.head.containers or physical_file(opened.head) is not None:
        return True
    return opened.form is not None and _BEGINNING.search(opened.head.plain[:200]) is not None


def head_in(opened: Opened) -> HeadOf:
    """The head of a backup that was opened for it."""
    if opened.reader is None:
        problem, certain = _problem(opened.findings)
        return HeadOf(format=opened.form, compression=opened.compression, problem=problem, certain=certain)
    return _described(opened, opened.reader.glance())


def _described(opened: Opened, glance: Glance) -> HeadOf:
    header = glance.header
    problem, certain = _problem((*opened.findings, *glance.findings))
    defined = glance.tables or tuple(entry.name for entry in glance.entries or () if entry.kind == Kind.TABLE)
    return HeadOf(
        format=header.format,
        engine=header.engine.value if header.engine else None,
        engine_version=header.engine_version,
        kind=glance.kind,
        databases=header.databases,
        server=header.server,
        system=header.system,
        whole_server=header.cluster,
        written_at=str(header.written_at) if header.written_at else None,
        complete=header.complete,
        compression=opened.compression,
        tables=tuple(sorted({name.label for name in defined})),
        log_from=header.physical.log_from if header.physical is not None else None,
        follows=header.physical.follows if header.physical is not None else None,
        problem=problem,
        certain=certain,
    )


def _problem(findings: Sequence[Finding]) -> tuple[str | None, bool]:
    """The worst of what was found, if it is more than a note, and whether it is a fault."""
    weighed = [finding for finding in findings if finding.severity.verdict]
    if not weighed:
        return None, False
    worst = max(weighed, key=lambda finding: finding.severity.verdict)
    return worst.message, worst.severity is Severity.FAULT

"""Looks at a backup's header and, if asked, at everything in it."""

from __future__ import annotations

import time
from collections.abc import Sequence
from dataclasses import replace
from pathlib import Path

from sospes.formats.form import everything, nothing
from sospes.formats.opening import Opened, Opening, open_backup
from sospes.model.findings import Finding
from sospes.model.outcome import Description, Outcome
from sospes.model.progress import Progress
from sospes.model.verdict import Rung
from sospes.work.look.reading import described, read_through
from sospes.work.look.tally import Tally


def inspect(
    paths: Sequence[Path], opening: Opening, contents: bool, progress: Progress | None = None
) -> Outcome[Description]:
    """Header and, with `contents`, everything in a backup.

    Without `contents` no more is read than the form needs: the head of a script, and its tail where there is no
    container; the table of contents of an archive; the definitions of a database file. What is of no known form is read
    to its end, as only then its containers are checked.
    """
    begin = time.perf_counter()
    opened = open_backup(paths, replace(opening, check_pages=contents, wants=everything if contents else nothing))
    description, findings = read_through(opened, progress) if contents or opened.form is None else _glanced(opened)
    evidence = (Rung.PRESENT,) if opened.form is None else (Rung.PRESENT, Rung.IDENTIFIED)
    return Outcome(
        name=opened.name,
        findings=findings,
        evidence=evidence,
        result=description,
        seconds=time.perf_counter() - begin,
    )


def _glanced(opened: Opened) -> tuple[Description, tuple[Finding, ...]]:
    """What is learnt without reading the backup through."""
    if opened.reader is None:
        return described(opened, None), tuple(finding.at(file=opened.name) for finding in opened.findings)
    glance = opened.reader.glance()
    findings = (*opened.findings, *glance.findings)
    description = replace(described(opened, glance.header), databases_at_least=glance.several, kind=glance.kind)
    if glance.entries is not None:
        tally = Tally()
        for entry in glance.entries:
            tally.take(entry)
        description = replace(description, tables=tally.summaries(counted=False), objects=tuple(tally.objects.values()))
    return description, tuple(finding.at(file=opened.name) for finding in findings)

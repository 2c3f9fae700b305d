"""What a restore would need: its parts in the order of use, what is missing, what it would reach."""

from __future__ import annotations

from dataclasses import dataclass

from sospes.model.events import Window
from sospes.model.findings import Finding


@dataclass(frozen=True, slots=True, kw_only=True)
class Part:
    """One file or folder that a restore would use.

    kind      full, incremental or log
    role      what it is needed for
    from_     where it begins, and `to` where it ends: positions of a log, else times; None where unknown
    """

    path: str
    kind: str
    role: str
    from_: str | None
    to: str | None
    size_bytes: int | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Missing:
    """What is nowhere: a backup that another builds on, or a stretch of the log by its positions and first file."""

    what: str
    from_: str | None
    to: str | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Need:
    """What the target of a restore must have: a version, an extension, a role, a tablespace, a locale."""

    kind: str
    name: str
    databases: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Moments:
    """What a restore would reach: the newest commit's time, and a position in the log; None where unknown."""

    time: str | None
    lsn: str | None


@dataclass(frozen=True, slots=True, kw_only=True)
class RestorePlan:
    """How a restore would go. Sizes in bytes.

    consistent_at  up to where logs have to be applied before the files agree with one another; None where unknown
    space_bytes    that the restored data take, and the logs that are applied; None where only reading would tell
    needs_known    whether `needs` is all of it; a form may tell that only once it is read through
    """

    format: str | None
    engine: str | None
    lineage: str
    databases: tuple[str, ...]
    parts: tuple[Part, ...]
    missing: tuple[Missing, ...]
    window: Window
    would_reach: Moments
    consistent_at: str | None
    needs: tuple[Need, ...]
    needs_known: bool
    space_bytes: int | None
    findings: tuple[Finding, ...] = ()

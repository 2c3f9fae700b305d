"""What every job gives back: findings, evidence, and a result whose fields are those of the JSON contract."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Generic, TypeVar

from sospes.model.entries import ContentsEntry
from sospes.model.events import Gap, Window
from sospes.model.findings import Finding, verdict_of
from sospes.model.verdict import Rung, Verdict, highest_rung

Result = TypeVar("Result")


@dataclass(frozen=True, slots=True, kw_only=True)
class TableSummary:
    """A table; `rows` is None when its rows were not counted, or could not be reached.

    rows_damaged   rows of wrong shape, which are not among `rows`
    rows_doubtful  rows of right shape that come of damaged compressed data, at most so many
    rows_lost      0 if none is out of reach; None if some are, nobody knows how many
    size_bytes     of its files, where the form keeps it in some
    """

    database: str | None
    schema: str | None
    name: str
    columns: tuple[str, ...]
    column_types: tuple[str, ...]
    rows: int | None
    rows_damaged: int | None = None
    rows_doubtful: int | None = None
    rows_lost: int | None = None
    size_bytes: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class ObjectSummary:
    """Anything else with a definition: a view, function, trigger, index, sequence, role, ...

    size_bytes  of its files, where the form keeps it in some
    """

    kind: str
    database: str | None
    schema: str | None
    name: str
    size_bytes: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Unchecked:
    """A column, key or reference whose values were not checked, and why."""

    table: str
    name: str
    reason: str


@dataclass(frozen=True, slots=True, kw_only=True)
class ValueSummary:
    """What was checked value by value, and what was not."""

    columns_checked: int
    keys_checked: int
    unchecked: tuple[Unchecked, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Description:
    """What a backup is. Unknown is None, never guessed; sizes in bytes, times in ISO 8601.

    databases_at_least  only the head was read, and further databases may follow
    server       the host that its server was reached at, as far as it says
    whole_server it is of all databases of its server
    system_identifier  what tells its server from all others, where its form keeps that
    label and what follows it up to window: of physical copies and change logs, as `PhysicalHeader` has them
    checked_by  what a verification rests on beside the bytes themselves: a seal, or reading and a seal
    """

    name: str
    format: str | None = None
    engine: str | None = None
    engine_version: str | None = None
    program: str | None = None
    databases: tuple[str, ...] = ()
    databases_at_least: bool = False
    server: str | None = None
    whole_server: bool = False
    system_identifier: str | None = None
    label: str | None = None
    timeline: int | None = None
    data_checksums: bool | None = None
    follows: str | None = None
    log_from: str | None = None
    log_to: str | None = None
    logs_inside: bool | None = None
    tablespaces: tuple[str, ...] | None = None
    files: int | None = None
    pages: int | None = None
    records: int | None = None
    first_at: str | None = None
    last_at: str | None = None
    gaps: tuple[Gap, ...] | None = None
    window: Window | None = None
    encoding: str | None = None
    compression: str | None = None
    kind: str | None = None
    started_at: str | None = None
    written_at: str | None = None
    complete: bool | None = None
    size_bytes: int | None = None
    tables: tuple[TableSummary, ...] | None = None
    objects: tuple[ObjectSummary, ...] | None = None
    bytes_read: int | None = None
    plain_bytes: int | None = None
    entries: tuple[ContentsEntry, ...] | None = None
    values: ValueSummary | None = None
    checked_by: str | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Outcome(Generic[Result]):
    """One job on one backup."""

    name: str
    findings: tuple[Finding, ...]
    evidence: tuple[Rung, ...]
    result: Result
    seconds: float = 0.0

    @property
    def verdict(self) -> Verdict:
        """Sound unless a finding says otherwise."""
        return verdict_of(self.findings)

    @property
    def rung(self) -> Rung | None:
        """The highest rung with nothing missing below it."""
        return highest_rung(self.evidence)

"""Makes seals: reads all of a backup, sums up bytes and rows, and finds where reading can begin."""

from __future__ import annotations

import time
from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from datetime import datetime
from pathlib import Path

from sospes import __version__
from sospes.engines.registry import dialect_of
from sospes.formats.opening import Opened, Opening, open_backup, require_rows
from sospes.model.entries import Column, Name
from sospes.model.errors import UsageError
from sospes.model.events import Batch, Event, Notation, RowsBegin, RowsEnd
from sospes.model.findings import Finding, verdict_of
from sospes.model.outcome import Outcome
from sospes.model.progress import Progress
from sospes.model.types import Meaning, base_type
from sospes.model.verdict import Rung, Verdict
from sospes.places.source import Source
from sospes.places.writing import require_free, write_whole
from sospes.rows.digests import MODULUS, sum_of_lines
from sospes.rows.typed.cells import ColumnsOf
from sospes.rows.typed.sums import ColumnTotal
from sospes.stream.blocks import BLOCK_SIZE, Digest, block_digests
from sospes.stream.restart import Restarts, gzip_restarts, thinned
from sospes.work.compare.figures import draft_of
from sospes.work.seal.form import ENDING, HEADS, VERSION, Seal, head_digests, seal_text
from sospes.work.seal.written import SealedTable, SealedTotal

_TIMES = (["date"], ["timestamp"], ["timestamptz"], ["datetime"])


@dataclass(slots=True)
class _Table:
    """What is summed up of one table."""

    name: Name
    columns: tuple[str, ...] = ()
    rows: int = 0
    total: int = 0
    totals: dict[int, tuple[Column, ColumnTotal]] = field(default_factory=dict)
    sections: list[tuple[int, int]] = field(default_factory=list)


@dataclass(slots=True)
class RowSums:
    """Takes in events, and sums up the rows of each table."""

    tables: dict[Name, _Table] = field(default_factory=dict)
    findings: list[Finding] = field(default_factory=list)
    _current: _Table | None = None
    _range: list[int] = field(default_factory=list)
    _copy: bool = False

    def of(self, name: Name) -> tuple[int, str]:
        """The number of a table's rows, and the sum of their digests."""
        table = self.tables.get(name)
        return (table.rows, f"{table.total:032x}") if table else (0, "0" * 32)

    def take(self, event: Event, opened: Opened) -> None:
        """Take in one event."""
        if isinstance(event, Finding):
            self.findings.append(event)
        elif isinstance(event, RowsBegin):
            self._begin(event, opened)
        elif isinstance(event, Batch) and self._current is not None:
            self._batch(event, self._current)
        elif isinstance(event, RowsEnd) and self._current is not None:
            if not self._copy:
                self._range = [event.plain_from, event.plain_to]
            if self._range:
                self._current.sections.append((self._range[0], self._range[1]))

    def _begin(self, event: RowsBegin, opened: Opened) -> None:
        """Rows of a table begin: its columns, and those whose totals are kept."""
        table = self._current = self.tables.setdefault(event.table, _Table(event.table))
        self._range, self._copy = [], event.notation is Notation.COPY
        engine = opened.engine
        known = {column.name: column for column in event.entry.columns} if event.entry else {}
        table.columns = event.columns if event.columns is not None else tuple(known)
        if table.totals or engine is None or event.notation is Notation.RECORDS:
            return
        for index, name in enumerate(table.columns):
            column = known.get(name)
            if column is None or not column.type:
                continue
            summed = dialect_of(engine).meaning(column.type, None) in {Meaning.INTEGER, Meaning.DECIMAL}
            if summed or base_type(column.type).split()[:1] in _TIMES:
                table.totals[index] = (column, ColumnTotal(summed))

    def _batch(self, batch: Batch, table: _Table) -> None:
        """Sum some rows up."""
        self._range = [self._range[0] if self._range else batch.plain_from, batch.plain_to]
        table.rows += batch.rows
        table.total = (table.total + sum_of_lines(rows_of(batch))) % MODULUS
        if table.totals and batch.width == len(table.columns):
            columns = ColumnsOf(batch)
            for index, (_, total) in table.totals.items():
                total.add(columns.column(index))


def rows_of(batch: Batch) -> list[bytes]:
    """The rows of a batch as they stand in the backup."""
    if batch.notation is Notation.RECORDS:
        return [repr(record).encode() for record in batch.records]
    if batch.starts is not None and batch.ends is not None:
        bounds = zip(batch.starts[:, 0].tolist(), batch.ends[:, -1].tolist(), strict=True)
        return [batch.data[start:end] for start, end in bounds]
    return batch.data.split(b"\n")[:-1] if batch.width else [b""] * batch.rows


@dataclass(frozen=True, slots=True, kw_only=True)
class Sealing:
    """How to seal. With a `key` the seal is signed and rests on a cryptographic digest.

    out    where it goes; None for beside the backup
    draft  where a file of known figures goes, if one is to be drafted
    """

    opening: Opening
    now: datetime
    key: bytes | None = None
    out: Path | None = None
    overwrite: bool = False
    draft: Path | None = None
    progress: Progress | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class SealResult:
    """What was sealed. `seal` is None where nothing was written."""

    name: str
    seal: str | None
    seal_bytes: int
    signed: bool
    digest: str
    blocks: int
    restart_points: int
    restart_reason: str | None
    tables: tuple[SealedTable, ...]


def seal(path: Path, how: Sealing) -> Outcome[SealResult]:
    """Seal a backup: nothing is written where a fault is found. Raises UsageError if a seal is there already."""
    begin = time.perf_counter()
    target = how.out or path.with_name(path.name + ENDING)
    require_free(target, overwrite=how.overwrite, advice="verify with it, or give --overwrite to make a new one")
    if how.draft is not None and how.draft.exists():
        raise UsageError(f"{how.draft}: is there already", "name another file; figures are never overwritten")
    made, opened, findings = make_seal([path], how)
    text = b"" if made is None else seal_text(made, how.key)
    if made is not None:
        write_whole(target, [text], "name another file with --out FILE")
        if how.draft is not None:
            write_whole(how.draft, [draft_of(made).encode()], "name another file with --draft-figures FILE")
    evidence = [Rung.PRESENT] + ([Rung.IDENTIFIED] if opened.form else [])
    if made is not None and verdict_of(findings) is Verdict.SOUND:
        evidence.append(Rung.INTACT)
    return Outcome(
        name=opened.name,
        findings=findings,
        evidence=tuple(evidence),
        result=SealResult(
            name=opened.name,
            seal=str(target) if made else None,
            seal_bytes=len(text),
            signed=how.key is not None,
            digest=made.digest if made else "",
            blocks=len(made.digests) if made else 0,
            restart_points=len(made.restarts.points) if made else 0,
            restart_reason=made.restarts.reason if made else None,
            tables=made.tables if made else (),
        ),
        seconds=time.perf_counter() - begin,
    )


def make_seal(paths: Sequence[Path], how: Sealing) -> tuple[Seal | None, Opened, tuple[Finding, ...]]:
    """Read all of a backup and sum it up; no seal where a fault was found.

    Raises UsageError for what has no bytes to come back to: standard input, a directory, several pieces.
    """
    opened = open_backup(paths, replace(how.opening, note_starts=True))
    if opened.source.path is None:
        raise UsageError(
            f"{opened.name}: a seal is made of one file", "seal the file itself, before it is split or sent on"
        )
    require_rows(opened)
    sums = RowSums()
    for count, event in enumerate(opened.events()):
        sums.take(event, opened)
        if how.progress is not None and count % 64 == 0:
            how.progress(opened.bytes_read)
    findings = tuple(sums.findings)
    if opened.reader is None or verdict_of(findings) is Verdict.UNSOUND:
        return None, opened, findings
    if not opened.reader.abilities.one_text:  # offsets count within each table's data
        for table in sums.tables.values():
            table.sections.clear()
    digest = Digest.CRYPTOGRAPHIC if how.key else Digest.FAST
    digests = tuple(found for found, _ in block_digests(opened.source, digest))
    header = opened.reader.header
    seal = Seal(
        version=VERSION,
        made_by=f"sospes {__version__}",
        made_at=how.now.isoformat(timespec="seconds"),
        name=Path(opened.name).name,
        size_bytes=opened.source.size or 0,
        plain_bytes=opened.plain_bytes,
        digest=digest,
        block_bytes=BLOCK_SIZE,
        digests=digests,
        header={
            "format": opened.form,
            "engine": header.engine.value if header.engine else None,
            "engine_version": header.engine_version,
            "databases": list(header.databases),
            "compression": opened.compression,
            "written_at": str(header.written_at) if header.written_at else None,
            "verdict": verdict_of(findings).word,
            "heads": head_digests(opened.source.head(max(HEADS))),
        },
        tables=tuple(_sealed(table) for table in sums.tables.values()),
        restarts=_restarts(opened, opened.reader.abilities.from_beginning),
    )
    return seal, opened, findings


def _sealed(table: _Table) -> SealedTable:
    """A table as it stands in a seal."""
    return SealedTable(
        database=table.name.database,
        schema=table.name.schema,
        name=table.name.name,
        columns=table.columns,
        rows=table.rows,
        row_digest=f"{table.total:032x}",
        totals=tuple(
            SealedTotal(
                column=column.name,
                values=total.values,
                nulls=total.nulls,
                sum=format(total.sum, "f") if total.summed else None,
                lowest=None if total.lowest is None else total.lowest.decode("utf-8", "replace"),
                highest=None if total.highest is None else total.highest.decode("utf-8", "replace"),
            )
            for column, total in table.totals.values()
        ),
        sections=tuple(table.sections),
    )


def _restarts(opened: Opened, from_beginning: str) -> Restarts:
    """Where reading can begin; nowhere but at the beginning, where `from_beginning` says why."""
    containers = opened.containers
    if not from_beginning and (opened.characters not in {None, "utf-8"} or len(containers) > 1):
        from_beginning = "text that is packed twice, or saved in wide characters, is read from its beginning"
    if from_beginning:
        return Restarts(container="+".join(containers) or None, reason=from_beginning)
    if not containers:
        return Restarts(container=None)
    name = containers[0]
    path = opened.source.path
    if name == "gzip" and path is not None:
        return gzip_restarts(path, opened.plain_bytes)
    points = thinned(opened.stored.text.starts or [], opened.plain_bytes)
    if len(points) < 2:
        return Restarts(container=name, reason=f"the {name} data are one piece: they are read from the beginning")
    prefix = b""
    if opened.stored.text.starts and name in {"xz", "lz4"}:
        prefix = opened.source.head(12 if name == "xz" else 19)[: _head_size(opened.source, name)]
    return Restarts(container=name, points=points, prefix=prefix)


def _head_size(source: Source, name: str) -> int:
    """Bytes of a container's head, which has to stand before any later block."""
    if name == "xz":
        return 12
    flags = source.head(5)[4]
    return 7 + (8 if flags & 0x08 else 0) + (4 if flags & 0x01 else 0)

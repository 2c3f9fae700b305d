"""Reads a backup through: what it is and holds, and all damage."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator
from dataclasses import fields, replace

from sospes.formats.opening import Opened
from sospes.model.entries import Entry
from sospes.model.events import Batch, Event, Header, Notation, Relation, RowsBegin
from sospes.model.findings import Finding, note
from sospes.model.kinds import Kind
from sospes.model.outcome import Description, ObjectSummary, TableSummary
from sospes.model.progress import Doing, Progress
from sospes.work.look.damage import BREAKS, condensed
from sospes.work.look.tally import Tally

Watch = Callable[[Event], Iterable[Finding]]


def followed(events: Iterable[Event], opened: Opened, progress: Progress | None) -> Iterator[Event]:
    """The events, telling `progress` how far the stored bytes were read, and what they are about."""
    doing = Doing()
    for count, event in enumerate(events):
        doing.take(event)
        if progress is not None and (isinstance(event, Batch | Entry) or count % 256 == 0):
            progress(opened.bytes_read, doing.what, doing.rows)
        yield event


def _unwatched(_event: Event) -> Iterable[Finding]:
    return ()


def read_through(
    opened: Opened, progress: Progress | None, watch: Watch = _unwatched
) -> tuple[Description, tuple[Finding, ...]]:
    """What a backup is, by reading all of it; `watch` finds what else it looks for in the same pass."""
    tally = Tally()
    copied = False
    for event in followed(opened.events(), opened, progress):
        copied = copied or (isinstance(event, RowsBegin) and event.notation is Notation.COPY)
        tally.take(event)
        # What a watcher finds is placed here, as it goes by no reader of its own.
        for finding in watch(event):
            tally.take(opened.placed(finding))
    findings = condensed(tally.findings)
    findings += tally.further()
    findings += misfits(opened, tally)
    kind = tally.kind(copied)
    if kind == "schema-only" and opened.reader is not None and opened.reader.abilities.defines_all:
        findings.append(
            note(
                "schema-only",
                "the backup holds definitions and no rows",
                "make sure that the rows are in another backup",
            )
        )
    description = described(opened, opened.reader.header if opened.reader else None)
    if opened.form is not None:
        description = replace(
            description,
            kind=kind or description.kind,
            tables=description.tables or tally.summaries(),
            objects=description.objects or tuple(tally.objects.values()),
        )
    return (
        replace(description, bytes_read=opened.bytes_read, plain_bytes=opened.plain_bytes),
        tuple(findings),
    )


def misfits(opened: Opened, tally: Tally) -> Iterator[Finding]:
    """What refers to something that isn't there, once everything was read and nothing was cut off."""
    if (
        opened.reader is not None
        and opened.reader.abilities.defines_all
        and not any(finding.code in BREAKS for finding in tally.findings)
    ):
        header = opened.reader.header
        for finding in (*tally.misfits(header.engine), *tally.undone()):
            yield opened.weighed(finding)


def described(opened: Opened, header: Header | None) -> Description:
    """What a header says of a backup, and what its bytes do; of no known form only these."""
    if header is None:
        return Description(name=opened.name, compression=opened.compression, size_bytes=opened.source.size)
    more = {one.name: getattr(header.physical, one.name) for one in fields(header.physical)} if header.physical else {}
    more.pop("relations", None)
    tables = objects = None
    if header.physical is not None and header.physical.relations is not None:
        tables, objects = _related(header.physical.relations)
    return Description(
        name=opened.name,
        **more,
        tables=tables,
        objects=objects,
        format=header.format,
        engine=header.engine.value if header.engine else None,
        engine_version=header.engine_version,
        program=header.program,
        databases=header.databases,
        server=header.server,
        whole_server=header.cluster,
        system_identifier=header.system,
        encoding=header.encoding or opened.characters,
        compression=opened.compression,
        entries=opened.reader.contents if opened.reader else None,
        started_at=header.started_at,
        written_at=str(header.written_at) if header.written_at else None,
        kind=header.kind,
        complete=header.complete,
        size_bytes=opened.source.size or opened.bytes_read or None,
    )


def _related(relations: tuple[Relation, ...]) -> tuple[tuple[TableSummary, ...], tuple[ObjectSummary, ...]]:
    """Tables, and all else, of a physical copy: their rows are not counted without a server, their bytes are."""
    tables = tuple(
        TableSummary(
            database=one.database, schema=one.schema, name=one.name, columns=(), column_types=(), rows=None,
            size_bytes=one.size_bytes,
        )
        for one in relations
        if one.kind == Kind.TABLE
    )  # fmt: skip
    objects = tuple(
        ObjectSummary(kind=one.kind, database=one.database, schema=one.schema, name=one.name, size_bytes=one.size_bytes)
        for one in relations
        if one.kind != Kind.TABLE
    )
    return tables, objects

"""Reads an archive of any layout into the same events as a script."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from itertools import pairwise

from sospes.formats.archive.contents import NEWEST, ArchiveHeader, TocEntry, in_order
from sospes.formats.archive.stores import Member, Store
from sospes.formats.script.copy_data import read_copy
from sospes.formats.script.lexis import Lexis
from sospes.formats.script.reader import ScriptReader
from sospes.formats.script.run import DataRun
from sospes.formats.script.statements import Where, copy_head
from sospes.formats.script.window import Window
from sospes.model.entries import Engine, Entry, Name
from sospes.model.events import Event, Header, Notation, RowsBegin, RowsEnd
from sospes.model.findings import Finding, Place, doubt, fault
from sospes.stream.containers import Block

_SETTING = re.compile(rb"SET\s+(?:client_encoding|standard_conforming_strings)\s*=\s*'(\w+)'", re.I)
_ROWS = "TABLE DATA"
_LARGE_OBJECTS = "BLOBS"
_NOT_NEEDED = frozenset({"ENCODING", "STDSTRINGS", "SEARCHPATH"})


@dataclass(frozen=True, slots=True, kw_only=True)
class ContentsEntry:
    """An entry as the table of contents lists it; `stored_bytes` where the next entry's offset tells."""

    kind: str
    schema: str | None
    name: str
    owner: str | None
    has_data: bool
    stored_bytes: int | None


class ArchiveReader:
    """One pass over an archive: definitions before the data, the data in stored order, definitions after them."""

    def __init__(
        self,
        archive: ArchiveHeader,
        entries: list[TocEntry],
        store: Store,
        wants: Callable[[Name], bool] | None = None,
    ) -> None:
        self.archive = archive
        self.wants = wants or (lambda _: True)
        self.toc, self._loops = in_order(entries)
        self._store = store
        self._finished: bool | None = None
        settings = b"\n".join(entry.definition for entry in self.toc if entry.kind in _NOT_NEEDED)
        self._script = ScriptReader(iter([Block(settings, 0, 0)]), Lexis(Engine.POSTGRESQL))
        for _ in self._script.statements():
            pass  # only the settings are wanted, which the reader now has

    @property
    def header(self) -> Header:
        """What the archive says of itself; its time has no zone."""
        version = (self.archive.server_version or "").split(" ")[0] or None
        program = self.archive.program_version
        return Header(
            format="pg-archive",
            engine=Engine.POSTGRESQL,
            engine_version=version,
            program=f"pg_dump version {program.split(' ')[0]}" if program else None,
            databases=(self.archive.database,) if self.archive.database else (),
            encoding=self._script.notes.encoding,
            written_at=self.archive.created,
            started_at=self.archive.created,
            complete=self._finished,
            promised=True,
        )

    @property
    def contents(self) -> tuple[ContentsEntry, ...]:
        """The table of contents, in order."""
        sizes = self._stored_sizes()
        return tuple(
            ContentsEntry(
                kind=entry.kind.lower(),
                schema=entry.schema,
                name=entry.tag,
                owner=entry.owner,
                has_data=entry.has_data or entry.file is not None,
                stored_bytes=sizes.get(entry.identity),
            )
            for entry in self.toc
        )

    def _stored_sizes(self) -> dict[int, int]:
        placed = sorted((entry for entry in self.toc if entry.offset > 0), key=lambda entry: entry.offset)
        return {one.identity: other.offset - one.offset for one, other in pairwise(placed)}

    def events(self) -> Iterator[Event]:
        """Everything an archive holds, in the order in which it is restored."""
        yield from self._preliminaries()
        after = [entry for entry in self.toc if entry.section == 4 or entry.kind == "SEQUENCE SET"]
        behind = {entry.identity for entry in after}
        for entry in self.toc:
            if entry.identity not in behind and entry.kind != _ROWS:
                yield from self._definition(entry)
        whole = True
        seen: set[int] = set()
        by_identity = {entry.identity: entry for entry in self.toc}
        for member in self._store.members(lambda identity: self._wanted(by_identity[identity])):
            if isinstance(member, Finding):
                whole = whole and member.severity != "fault"
                yield member
                continue
            seen.add(member.identity)
            yield from self._member(member, by_identity[member.identity])
        yield from self._without_data(seen, whole)
        for entry in after:
            yield from self._definition(entry)
        self._finished = whole

    def _wanted(self, entry: TocEntry) -> bool:
        return entry.kind != _ROWS or self.wants(_name(entry))

    def _preliminaries(self) -> Iterator[Finding]:
        if self.archive.version[:2] > NEWEST:
            version = ".".join(map(str, self.archive.version))
            yield doubt(
                "version-unknown",
                f"the archive's version is {version}, newer than any that is known",
                "what could be read is shown; restore it on a server of that version to be sure",
            )
        if self._loops:
            names = ", ".join(f"{entry.kind} {entry.tag}" for entry in self._loops[:5])
            yield fault(
                "dependency-loop",
                f"{len(self._loops):,} entries depend on each other in a loop: {names}",
                "no order restores them; take the backup from another copy",
            )

    def _definition(self, entry: TocEntry) -> Iterator[Event]:
        if not entry.definition or entry.kind == _LARGE_OBJECTS:
            return
        if entry.kind == "BLOB METADATA":
            for number in entry.definition.decode("ascii", "replace").split():
                yield Entry(kind="large object", name=Name(None, None, number))
            return
        self._script.restart(iter([Block(entry.definition, 0, 0)]))
        for event in self._script.statements():
            if isinstance(event, Finding):
                named = replace(event, message=f"{entry.kind} {entry.tag}: {event.message}")
                yield replace(named, place=Place(schema=entry.schema, table=entry.tag))
            elif isinstance(event, Entry):
                yield replace(event, plain_from=0, plain_to=0, line=0)

    def _member(self, member: Member, entry: TocEntry) -> Iterator[Event]:
        if member.large_objects or entry.kind != _ROWS:
            for block in member.blocks:
                if isinstance(block, Finding):
                    yield block
            return
        for event in self._rows(member, entry):
            if isinstance(event, Finding) and event.place.table is None:
                yield event.at(schema=entry.schema, table=entry.tag)
            else:
                yield event

    def _rows(self, member: Member, entry: TocEntry) -> Iterator[Event]:
        window = Window(member.blocks)
        lexis = self._script.settings.lexis
        opening = entry.copy.rstrip() + b"\n"
        head = copy_head(opening, 0, lexis, Where(None, "public", 0, 0)) if entry.copy else None
        if head is None:
            self._script.restart(member.blocks, self.wants)
            yield from self._script.statements()
            return
        table = self._script.tables.get(head.table)
        columns = head.columns
        if columns is None:
            columns = tuple(column.name for column in table.columns) if table else ()
        run = DataRun(
            table=head.table, columns=columns, entry=table, notation=Notation.COPY, opening=opening,
            encoding=lexis.encoding, lexis=lexis,
        )  # fmt: skip
        yield RowsBegin(table=head.table, columns=columns, entry=table, notation=Notation.COPY, opening=opening)
        window.grow()
        yield from read_copy(window, run)
        yield from window.taken_findings()
        yield RowsEnd(table=head.table, rows=run.rows, damaged=run.damaged, plain_from=0, plain_to=window.offset)
        yield from self._left_over(window, head.table)

    def _left_over(self, window: Window, table: Name) -> Iterator[Finding]:
        """Behind the closing mark come blank lines, and nothing else."""
        while window.left or window.grow():
            rest = window.data[window.position :]
            if rest.strip():
                yield fault(
                    "data-unexpected",
                    f"{table.label}: behind the closing mark of its rows stands {rest.strip()[:40]!r}",
                    "the data are damaged; take the backup from another copy",
                    Place(schema=table.schema, table=table.name),
                )
                return
            window.advance(len(window.data))
        yield from window.taken_findings()

    def _without_data(self, seen: set[int], whole: bool) -> Iterator[Finding]:
        """Entries that should have data and had none."""
        for entry in self.toc:
            if entry.kind == _ROWS and entry.has_data and entry.identity not in seen and self._wanted(entry) and whole:
                yield fault(
                    "data-missing",
                    f"{entry.tag}: the table of contents has an entry for its rows, and there are none",
                    "the backup lacks a part: take it again",
                    Place(schema=entry.schema, table=entry.tag),
                )


def _name(entry: TocEntry) -> Name:
    return Name(None, entry.schema, entry.tag)

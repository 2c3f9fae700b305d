"""Reads an archive of any layout into the same events as a script."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from itertools import pairwise

from sospes.formats.archive.contents import NAME, NEWEST, ArchiveHeader, TocEntry, in_order
from sospes.formats.archive.drops import strange_drop
from sospes.formats.archive.stores import LargeBlocks, Member, ObjectBegin, Store
from sospes.formats.form import Abilities, Glance, Stored, Wants
from sospes.model.entries import Column, ContentsEntry, Engine, Entry, Name
from sospes.model.events import Event, Header, LargeObjectPart, Notation, RowsBegin, RowsEnd
from sospes.model.findings import Finding, Place, doubt, fault
from sospes.model.kinds import Kind
from sospes.sql.judging.agreement import KNOWN, Announced, disagreement, in_heading, one_bit_apart, rows_disagreement
from sospes.sql.judging.judge import hostile
from sospes.sql.lexis import Lexis
from sospes.sql.quoting import dotted, double_quoted
from sospes.sql.reading import SqlText
from sospes.sql.rows.copy_data import read_copy
from sospes.sql.rows.heads import DataHead, copy_head
from sospes.sql.rows.run import DataRun
from sospes.sql.statements import Where
from sospes.sql.window import Window
from sospes.stream.ahead import ahead_of
from sospes.stream.containers import Block

READ_AHEAD_FROM = 2 << 20
"""Members with more plain bytes than this are unpacked by a second thread."""

_ROWS = "TABLE DATA"
_LARGE_OBJECTS = "BLOBS"
_OWNED = {
    kind: kind for kind in ("TABLE", "SEQUENCE", "VIEW", "MATERIALIZED VIEW", "TYPE", "DOMAIN", "SCHEMA")
}  # routines are named with their arguments, and rest as they are
_NOT_NEEDED = frozenset({"ENCODING", "STDSTRINGS", "SEARCHPATH"})


class ArchiveReader:
    """One pass over an archive: definitions before the data, the data in stored order, definitions after them."""

    abilities = Abilities(
        defines_all=True, contents_first=True, from_beginning="an archive's contents say where each table's data are"
    )
    unsure = ""  # only a backup program writes archives

    def __init__(
        self, archive: ArchiveHeader, entries: list[TocEntry], store: Store, stored: Stored, wants: Wants
    ) -> None:
        self.archive = archive
        self._wants = wants
        self.toc, self._loops = in_order(entries)
        self._store = store
        self._stored = stored
        self._sizes = self._stored_sizes()
        self._finished: bool | None = None
        self.plain_bytes = 0
        settings = b"\n".join(entry.definition for entry in self.toc if entry.kind in _NOT_NEEDED)
        self._sql = SqlText(iter([Block(settings, 0, 0)]), Lexis(Engine.POSTGRESQL), by_program=True)
        for _ in self._sql.events():
            pass  # only the settings are wanted, which the reader now has

    @property
    def header(self) -> Header:
        """What the archive says of itself; its time has no zone."""
        version = (self.archive.server_version or "").split(" ")[0] or None
        program = self.archive.program_version
        return Header(
            format=NAME,
            engine=Engine.POSTGRESQL,
            engine_version=version,
            program=f"pg_dump version {program.split(' ')[0]}" if program else None,
            databases=(self.archive.database,) if self.archive.database else (),
            encoding=self._sql.notes.encoding,
            written_at=self.archive.created,
            started_at=self.archive.created,
            complete=self._finished,
        )

    @property
    def compression(self) -> str | None:
        """How the data are packed inside of the archive."""
        return self.archive.compression

    @property
    def bytes_read(self) -> int:
        """Stored bytes that were read by now; those of a container around the archive are counted by its text."""
        if self._stored.text.bytes_read:
            return self._stored.text.bytes_read
        return self._store.bytes_read if self._finished is None else self._stored.source.size or 0

    def stated(self) -> Header:
        """What stands before the contents."""
        return self.header

    def glance(self) -> Glance:
        """The contents, without definitions or data."""
        kinds = {entry.kind for entry in self.contents}
        defined, filled = "table" in kinds, "table data" in kinds
        kind = {(True, True): "full", (True, False): "schema-only", (False, True): "data-only"}.get((defined, filled))
        return Glance(header=self.header, kind=kind, entries=tuple(self.listed()))

    def of_parts(self, _blocks: Iterator[Block | Finding]) -> None:
        """An archive finds its parts by its own contents."""

    def listed(self) -> Iterator[Entry]:
        """Every entry as the table of contents has it, without reading definitions or data.

        Tables have the columns that their rows are stored with, by name only.
        """
        # Only the data's own COPY statement has the columns; definitions are not read for a list.
        columns = {(entry.schema, entry.tag): entry.copy for entry in self.toc if entry.kind == _ROWS}
        for entry in self.toc:
            if entry.kind == "BLOB METADATA":
                yield from _large_objects(entry)
                continue
            kind, name = _listed_name(entry)
            copy = columns.get((entry.schema, entry.tag), b"") if kind == "table" else b""
            head = self._copy_head(copy)
            names = head.columns or () if head else ()
            yield Entry(kind=Kind(kind), name=name, columns=tuple(Column(name=column, type="") for column in names))

    def _copy_head(self, statement: bytes) -> DataHead | None:
        """What the statement that would read a table's rows says; None where rows are INSERT statements."""
        if not statement:
            return None
        return copy_head(statement.rstrip() + b"\n", 0, self._sql.settings.lexis, Where(None, "public", 0, 0))

    @property
    def contents(self) -> tuple[ContentsEntry, ...]:
        """The table of contents, in order."""
        return tuple(
            ContentsEntry(
                kind=entry.kind.lower(),
                schema=entry.schema,
                name=entry.tag,
                owner=entry.owner,
                has_data=entry.has_data or entry.file is not None,
                stored_bytes=self._sizes.get(entry.identity),
            )
            for entry in self.toc
        )

    def _stored_sizes(self) -> dict[int, int]:
        placed = sorted((entry for entry in self.toc if entry.offset > 0), key=lambda entry: entry.offset)
        return {one.identity: other.offset - one.offset for one, other in pairwise(placed)}

    def events(self) -> Iterator[Event]:
        """Everything an archive holds, in the order in which it is restored."""
        yield from self._preliminaries()
        before, after = self._around_rows()
        for entry in before:
            yield from self._definition(entry)
        yield from self._passed_over()
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
        for finding in self._store.leftover():
            whole = whole and finding.severity != "fault"
            yield finding
        # Read straight from its files, an archive looks itself whether they are the same as at the beginning.
        if not self._stored.text.bytes_read:  # a container's own text looks at this by itself
            yield from self._stored.source.changes()
        self._finished = whole

    def _around_rows(self) -> tuple[list[TocEntry], list[TocEntry]]:
        """The definitions that come before all rows, and those that come after: also what depends on such."""
        before: list[TocEntry] = []
        after: list[TocEntry] = []
        behind: set[int] = set()
        for entry in self.toc:
            if entry.kind == _ROWS:
                continue
            # Section 4 is the server's own for what comes after rows: indexes, constraints, triggers.
            if entry.section == 4 or entry.kind == "SEQUENCE SET" or not behind.isdisjoint(entry.depends_on):
                behind.add(entry.identity)
                after.append(entry)
            else:
                before.append(entry)
        return before, after

    def implied(self) -> Iterator[Entry]:
        """Statements that give what the contents list to its owners; their form is that of scripts."""
        for entry in self.toc:
            words = _OWNED.get(entry.kind)
            if words is None or not entry.owner or not entry.definition:
                continue
            name = Name(None, entry.schema, entry.tag)
            label = dotted(double_quoted, entry.schema, entry.tag)
            statement = f"ALTER {words} {label} OWNER TO {double_quoted(entry.owner)};"
            encoding = self._sql.settings.codec
            definition = statement.encode(encoding, "replace")
            yield Entry(kind=Kind.OWNERSHIP, name=name, definition=definition, encoding=encoding)

    def _passed_over(self) -> Iterator[Event]:
        """Tables whose rows are not wanted still have a place for them."""
        for entry in self.toc:
            if entry.kind == _ROWS and not self._wanted(entry):
                head = self._copy_head(entry.copy)
                name = head.table if head else _name(entry)
                table = self._sql.tables.get(name)
                columns = head.columns if head else None
                yield RowsBegin(table=name, columns=columns, entry=table, notation=Notation.COPY)
                yield RowsEnd(table=name, rows=0, damaged=0, plain_from=0, plain_to=0)

    def _wanted(self, entry: TocEntry) -> bool:
        if entry.kind != _ROWS or self._wants(_name(entry)):
            return True
        head = self._copy_head(entry.copy)  # rows of a partition may be written for its root
        return head is not None and self._wants(head.table)

    def _preliminaries(self) -> Iterator[Finding]:
        if self.archive.version[:2] > NEWEST:
            version = ".".join(map(str, self.archive.version))
            yield doubt(
                "version-unknown",
                f"the archive's version is {version}, newer than any that is known",
                "what could be read is shown; restore it on a server of that version to be sure",
            )
        for entry in self.toc:
            if entry.odd:
                yield fault(
                    "contents-damaged",
                    f"the table of contents is damaged at {entry.kind.lower()} {entry.tag}: {entry.odd}",
                    "what its entries say may be wrong; compare with another copy",
                    Place(schema=entry.schema, table=entry.tag),
                )
            if entry.drop and (strange := strange_drop(entry.kind, entry.drop, self._sql.settings.lexis)):
                place = Place(schema=entry.schema, table=entry.tag)
                yield hostile(f"{entry.kind} {entry.tag}: what is to drop it {strange}", place)
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
            yield from _large_objects(entry)
            return
        announced: Announced | None = _announced(entry)
        if entry.kind not in KNOWN:
            yield self._kind_unknown(entry)
        self._sql.restart(iter([Block(entry.definition, 0, 0)]))
        for event in self._sql.events():
            if isinstance(event, Finding):
                named = replace(event, message=f"{entry.kind} {entry.tag}: {event.message}")
                yield replace(named, place=Place(schema=entry.schema, table=entry.tag))
            elif isinstance(event, Entry):
                finding = disagreement(announced, event) if announced else None
                announced = None
                if finding is not None:
                    yield finding
                yield replace(event, plain_from=0, plain_to=0, line=0)

    def _kind_unknown(self, entry: TocEntry) -> Finding:
        damaged = any(one_bit_apart(entry.kind, kind) for kind in KNOWN)
        return (fault if damaged else doubt)(
            "entry-unknown",
            f"an entry is of the kind {entry.kind!r}, which no known server writes: {entry.tag}",
            "its contents are damaged; compare with another copy"
            if damaged
            else "restore it on a server of that version to be sure",
            Place(schema=entry.schema, table=entry.tag),
        )

    def _member(self, member: Member, entry: TocEntry) -> Iterator[Event]:
        if member.large is not None:
            for part in _large_object_parts(member.large):
                self.plain_bytes += len(part.data) if isinstance(part, LargeObjectPart) else 0
                yield part
            return
        if entry.kind != _ROWS:
            yield from (block for block in member.blocks if isinstance(block, Finding))
            return
        for event in self._rows(member, entry):
            yield self._placed(event, entry) if isinstance(event, Finding) else event

    def _counted(self, blocks: Iterator[Block | Finding]) -> Iterator[Block | Finding]:
        """The same blocks, whose plain bytes are counted."""
        for block in blocks:
            self.plain_bytes += len(block.data) if isinstance(block, Block) else 0
            yield block

    def _placed(self, finding: Finding, entry: TocEntry) -> Finding:
        """A finding about a table's data; where only its place in their text is known, with all their stored bytes."""
        place = finding.place
        parts: dict[str, int | str | None] = {}
        if place.table is None:
            parts = {"schema": entry.schema, "table": entry.tag}
        if place.stored_from is None and entry.offset > 0:
            size = self._sizes.get(entry.identity)
            parts |= {"stored_from": entry.offset, "stored_to": entry.offset + size if size else None}
        return finding.at(**parts)

    def _rows(self, member: Member, entry: TocEntry) -> Iterator[Event]:
        blocks = self._counted(member.blocks)
        window = Window(ahead_of(blocks, READ_AHEAD_FROM))
        lexis = self._sql.settings.lexis
        opening = entry.copy.rstrip() + b"\n"
        head = self._copy_head(entry.copy)
        if head is None:
            self._sql.restart(blocks, self._wants)
            yield from self._sql.events()
            return
        table = self._sql.tables.get(head.table)
        named = rows_disagreement(_announced(entry), head.table)
        if named is not None and not (table and "partitioned" in table.options):
            yield named
        columns = head.columns
        if columns is None:
            columns = tuple(column.name for column in table.columns) if table else ()
        run = DataRun(
            table=head.table, columns=columns, entry=table, notation=Notation.COPY, opening=opening,
            encoding=lexis.encoding, lexis=lexis, alone=True,
        )  # fmt: skip
        yield RowsBegin(table=head.table, columns=columns, entry=table, notation=Notation.COPY, opening=opening)
        window.grow()
        yield from read_copy(window, run)
        yield from window.taken_findings()
        yield RowsEnd(
            table=head.table, rows=run.rows, damaged=run.damaged, plain_from=0, plain_to=window.offset, lost=run.lost
        )
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


def _announced(entry: TocEntry) -> Announced:
    """What the contents say of an entry, its line ends as in a script's headings."""
    schema = entry.schema and in_heading(entry.schema)
    return Announced(entry.kind, in_heading(entry.tag), schema)


def _large_object_parts(blocks: LargeBlocks) -> Iterator[Event]:
    number = 0
    for block in blocks:
        if isinstance(block, Finding):
            yield block
        elif isinstance(block, ObjectBegin):
            number = block.number
            yield LargeObjectPart(number, b"")
        else:
            yield LargeObjectPart(number, block.data)


def _large_objects(entry: TocEntry) -> Iterator[Entry]:
    """Newer servers list the numbers of large objects in one definition."""
    for number in entry.definition.decode("ascii", "replace").split():
        yield Entry(kind=Kind.LARGE_OBJECT, name=Name(None, None, number))


_KINDS = {
    "fk constraint": "constraint",
    "check constraint": "constraint",
    "blob": "large object",
    "procedural language": "language",
}


def _listed_name(entry: TocEntry) -> tuple[str, Name]:
    """The kind and name that an entry's definition would give. Tags of what belongs to a table begin with its name."""
    kind = _KINDS.get(entry.kind.lower(), entry.kind.lower())
    tag = entry.tag
    if kind in {"constraint", "trigger", "rule", "policy", "default"}:
        tag = tag.rsplit(" ", 1)[-1]
    if kind in {"function", "procedure", "aggregate"}:
        tag = tag.split("(", 1)[0]
    return kind, Name(None, None if kind in {"schema", "trigger", "rule", "policy"} else entry.schema, tag)


def _name(entry: TocEntry) -> Name:
    return Name(None, entry.schema, entry.tag)

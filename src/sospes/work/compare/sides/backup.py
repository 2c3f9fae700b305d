"""Rows straight from a backup, without a side copy in between."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from pathlib import Path
from typing import Self

from sospes.engines.registry import dialect_of
from sospes.formats.form import nothing
from sospes.formats.opening import Opened, Opening, open_backup
from sospes.model.accounts import Accounts
from sospes.model.entries import Column, ConstraintKind, Engine, Entry, Name
from sospes.model.events import Batch, Header, LargeObjectPart, RowsBegin
from sospes.model.findings import Finding, Place, fault
from sospes.model.kinds import Kind
from sospes.model.progress import Doing, Progress
from sospes.model.types import Hold
from sospes.rows.copied import CopySums
from sospes.rows.decoding import held_rows
from sospes.rows.relined import as_lines
from sospes.rows.totals import SUMMED
from sospes.sql.rows.run import default_names
from sospes.stream.containers import Block
from sospes.work.compare.sides.protocol import (
    BasicSide,
    LinedPart,
    LinedSide,
    ObjectSide,
    RowPart,
    RowTable,
    Wants,
    major_of,
)
from sospes.work.objects.defined import BackupObjects


@dataclass(slots=True)
class BackupRows(BasicSide):
    """A backup's rows. It is to be read once before it is asked for any; where there are `sums`, they are made then."""

    path: Path
    opening: Opening
    sums: CopySums | None = None
    bytes_read: int = 0
    version: str = ""
    one_text: bool = False
    objects: BackupObjects = field(default_factory=BackupObjects)
    _begins: dict[Name, RowsBegin] = field(default_factory=dict)

    def __post_init__(self) -> None:
        """It goes by the backup's name."""
        self.name, self.backup = str(self.path), self.path

    def read(self, progress: Progress | None = None) -> Self:
        """The side, once its definitions were read; rows are passed over in that pass, unless they are summed up.

        `progress` hears of the stored bytes that were read.
        """
        opened = self._open(nothing if self.sums is None else self.sums.wants)
        entries: dict[Name, Entry] = {}
        begin: RowsBegin | None = None
        doing = Doing()
        for event in opened.events():
            engine = dialect_of(opened.engine).engine
            if isinstance(event, Finding):
                self.findings.append(event)
            elif isinstance(event, Entry):
                self._take(event, entries)
                self.objects.take(event, engine)
            elif isinstance(event, RowsBegin):
                begin = self._begun(event, engine, defined=event.table in entries)
            elif isinstance(event, LargeObjectPart):
                self.objects.take_part(event)
            elif isinstance(event, Batch) and begin is not None:
                self._sum_up(begin, event, engine)
            doing.take(event)
            if progress is not None:
                progress(opened.bytes_read, doing.what, doing.rows)
        for entry in opened.reader.implied() if opened.reader else ():
            self.objects.take(entry, dialect_of(opened.engine).engine)
        if self.sums is not None:
            self.sums.end()
        self.bytes_read = opened.bytes_read
        if opened.reader is not None:
            self._told(opened.reader.header)
            self.one_text = opened.reader.abilities.one_text
        return self

    def _told(self, header: Header) -> None:
        """What the backup says of itself, once all of it was read."""
        self.engine = header.engine
        self.version = header.engine_version or ""
        self.written_at = str(header.written_at) if header.written_at else None

    def _begun(self, begin: RowsBegin, engine: Engine, *, defined: bool) -> RowsBegin | None:
        """Rows of a table begin; None where they are the engine's own, which it makes anew with other numbers."""
        self._begins[begin.table] = begin
        if dialect_of(engine).is_own(begin.table):
            return None
        self._sum_up(begin, None, engine)
        if not defined:
            # A data-only backup defines no tables: what its rows name is all that is known of them.
            columns = tuple(Column(name=name, type="") for name in begin.columns or ())
            self.tables.setdefault(begin.table, RowTable(name=begin.table, columns=columns))
        return begin

    def _open(self, wants: Wants) -> Opened:
        """Open the backup for the rows of some tables."""
        return open_backup([self.path], replace(self.opening, wants=wants, check_pages=False))

    def _sum_up(self, begin: RowsBegin, batch: Batch | None, engine: Engine) -> None:
        """Sum up rows, or let a table begin that may have none."""
        names = self._names(begin, batch, engine)
        if self.sums is None or not self.sums.wants(begin.table) or not names:
            return
        types = {column.name: column.type for column in begin.entry.columns} if begin.entry else {}
        summed = frozenset(
            name for name in names if name in types and dialect_of(engine).meaning(types[name], None) in SUMMED
        )
        self.sums.begin(begin.table, names, summed)
        if batch is not None:
            try:
                lines = as_lines(batch, _holds(begin, names, engine))
            except (ValueError, LookupError):
                self.sums.give_up(begin.table)
                return
            self.sums.add(begin.table, names, lines)
            self.sums.found[begin.table].placed &= lines is batch

    def _take(self, entry: Entry, entries: dict[Name, Entry]) -> None:
        """Take in what a definition says of a table: its columns, its key, what it refers to."""
        if entry.kind == Kind.TABLE:
            entries[entry.name] = entry
            columns = tuple(column for column in entry.columns if not column.generated)
            generated = tuple(column.name for column in entry.columns if column.generated)
            self.tables[entry.name] = RowTable(name=entry.name, columns=columns, generated=generated)
        elif entry.kind in {Kind.VIEW, Kind.MATERIALIZED_VIEW}:
            self.tables.pop(entry.name, None)
        table = self.tables.get(entry.subject)
        for constraint in entry.constraints:
            if table is None:
                continue
            known = self.tables[table.name]
            if constraint.kind is ConstraintKind.PRIMARY and constraint.columns:
                self.tables[table.name] = replace(known, key=constraint.columns)
            elif constraint.references is not None:
                self.tables[table.name] = replace(known, references=(*known.references, constraint.references))

    def lined(self, wants: Wants, columns: Mapping[Name, Sequence[str]] | None = None) -> Iterator[LinedPart]:
        """All rows of the wanted tables as lines; what can't be read of them goes to `findings`."""
        for part in self._standing(wants):
            if not wants(part.table):
                continue  # a table without columns has nothing to pass over
            holds = _holds(self._begins[part.table], part.columns, dialect_of(self.engine).engine)
            yield replace(part, batch=as_lines(part.batch, holds))

    def _standing(self, wants: Wants) -> Iterator[LinedPart]:
        """All rows of the wanted tables as they stand; what can't be read of them goes to `findings`."""
        opened = self._open(wants)
        begin: RowsBegin | None = None
        names: tuple[str, ...] = ()
        before = self.bytes_read
        for event in opened.events():
            self.bytes_read = before + opened.bytes_read
            if isinstance(event, RowsBegin):
                begin = self._begins[event.table] = event
                names = ()
            elif isinstance(event, Batch) and begin is not None:
                names = names or self._names(begin, event, dialect_of(self.engine).engine)
                yield LinedPart(begin.table, names, event)
            elif isinstance(event, Finding):
                self._found_again(event, wants)

    def _found_again(self, finding: Finding, wants: Wants) -> None:
        """Take in what a later pass found: the first one could not tell rows that it passed over, nor can this one."""
        place = finding.place
        if finding in self.findings or (place.table and not wants(Name(place.database, place.schema, place.table))):
            return
        if place.row_from is not None:
            told = (finding.code, place.table, None)
            self.findings = [
                known for known in self.findings if (known.code, known.place.table, known.place.row_from) != told
            ]
        self.findings.append(finding)

    def parts(self, wants: Wants) -> Iterator[RowPart]:
        """All rows of the wanted tables; what can't be read of them goes to `findings`."""
        for part in self._standing(wants):
            yield self.converted(part.table, part.columns, part.batch)

    def as_lined(self) -> LinedSide | None:
        """Its rows come as they stand, if they were summed up when they were first read."""
        return self if self.sums is not None else None

    def objects_of(self, database: str | None, *, every: bool) -> ObjectSide | None:
        """What it defines besides rows: every object, whatever is asked for."""
        found = {name: items for name, items in self.objects.found.items() if any(key.kind == "table" for key in items)}
        if len(found) > 1 and database is not None:
            found = {name: items for name, items in found.items() if name == database}
        if len(found) != 1:
            return None
        [only] = found.values()
        everybody = {key: item for key, item in self.objects.found.get(None, {}).items() if key.kind == "role"}
        return ObjectSide(everybody | only, frozenset(self.objects.unnamed), major_of(self.version), is_backup=True)

    def accounts(self) -> Accounts | None:
        """Who may do what on the server that the backup is of, if it makes any account."""
        return self.objects.accounts.of_server

    def slices(self, places: Sequence[tuple[int, int]]) -> Iterator[bytes] | None:
        """The plain text from each place to its end, places in order and apart; None where none can be had again."""
        return self._slices(places) if self.one_text else None

    def _slices(self, places: Sequence[tuple[int, int]]) -> Iterator[bytes]:
        waiting = iter(places)
        wanted = next(waiting, None)
        kept: list[bytes] = []
        for block in self._open(nothing).stored.text.blocks():
            if not isinstance(block, Block):
                continue
            upto = block.plain_from + len(block.data)
            while wanted is not None and wanted[0] < upto:
                first, last = wanted
                kept.append(block.data[max(first - block.plain_from, 0) : last - block.plain_from])
                if last > upto:
                    break
                yield b"".join(kept)
                kept, wanted = [], next(waiting, None)
            if wanted is None:
                return

    @staticmethod
    def _names(begin: RowsBegin, batch: Batch | None, engine: Engine) -> tuple[str, ...]:
        """The names of the cells; none where only rows would tell how many there are."""
        width = batch.width if batch is not None else 0
        return (
            begin.columns
            or default_names(begin.entry, engine)
            or tuple(f"column {number}" for number in range(1, width + 1))
        )

    def converted(self, table: Name, columns: tuple[str, ...], batch: Batch) -> RowPart:
        """Rows that stood in this backup as values."""
        begin = self._begins[table]
        holds = _holds(begin, columns, dialect_of(self.engine).engine)
        bad: list[tuple[int, int, bytes]] = []
        rows = list(held_rows(batch, holds, lambda row, column, cell: bad.append((row, column, cell))))
        for row, column, _ in bad:
            number = batch.number_of(row) if batch.first_row else None
            where = "a row" if number is None else f"row {number:,}"
            found = fault(
                "value-unreadable",
                f"{table.label}, {where}: column {columns[column]} holds no value of its type",
                "the row is damaged; verify the backup",
                Place(file=self.name, schema=table.schema, table=table.name, row_from=number, row_to=number),
            )
            if found not in self.findings:
                self.findings.append(found)
        return RowPart(table, columns, rows)


def _holds(begin: RowsBegin, columns: Sequence[str], engine: Engine) -> list[Hold]:
    """How the values of these columns are held."""
    known = {column.name: column for column in begin.entry.columns} if begin.entry else {}
    return [dialect_of(engine).hold(known[name].type) if name in known else Hold.TEXT for name in columns]

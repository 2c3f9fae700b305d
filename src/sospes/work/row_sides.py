"""The two sides of a comparison: a backup, a kept side copy, or a file of rows."""

from __future__ import annotations

import sqlite3
import time
from collections.abc import Callable, Iterator, Sequence
from contextlib import closing
from dataclasses import dataclass, field, replace
from functools import partial
from pathlib import Path
from typing import Protocol, TypeVar
from urllib.parse import quote

from sospes.formats.opening import Opened, Opening, open_backup
from sospes.formats.script.run import default_names
from sospes.model.entries import Column, ConstraintKind, Engine, Entry, Name
from sospes.model.errors import CannotCheck, NotFound, UsageError
from sospes.model.events import Batch, RowsBegin
from sospes.model.findings import Finding, Place, fault
from sospes.rows.decoding import Row, held_rows
from sospes.rows.files import csv_mark, csv_rows, in_parts, is_json_lines, json_rows, lines_of, reordered
from sospes.rows.types import Hold, hold_of
from sospes.sides.embedded.names import quoted
from sospes.sides.embedded.shape import MARK
from sospes.sides.servers.address import Address
from sospes.sides.servers.live import LiveDatabase, LiveTable, open_live
from sospes.stream.containers import Block
from sospes.work.objects import BackupObjects

ROWS_AT_ONCE = 5000
Wants = Callable[[Name], bool]
Part = TypeVar("Part")
_ROW_FILES = frozenset({".csv", ".tsv", ".jsonl", ".ndjson"})


@dataclass(frozen=True, slots=True, kw_only=True)
class RowTable:
    """A table that rows can be had of: its columns with values, its primary key's columns, tables it refers to."""

    name: Name
    columns: tuple[Column, ...]
    key: tuple[str, ...] = ()
    references: tuple[Name, ...] = ()


@dataclass(frozen=True, slots=True)
class RowPart:
    """Some rows of one table, and the names of their cells."""

    table: Name
    columns: tuple[str, ...]
    rows: list[Row]


@dataclass(frozen=True, slots=True)
class LinedPart:
    """Some rows of one table as they stand, and how such rows are converted."""

    table: Name
    columns: tuple[str, ...]
    batch: Batch
    convert: Callable[[Batch], RowPart]


class RowSide(Protocol):
    """Rows to compare, which can be read several times."""

    name: str
    engine: Engine | None
    tables: dict[Name, RowTable]
    findings: list[Finding]

    @property
    def bytes_read(self) -> int:
        """Stored bytes of all passes."""
        ...

    def parts(self, wants: Wants) -> Iterator[RowPart]:
        """All rows of the wanted tables."""
        ...


@dataclass(frozen=True, slots=True)
class Reading:
    """How a live database is read: how long a statement may take, and whether half of the time is left to others."""

    timeout_seconds: int = 3600
    gentle: bool = False


def open_side(place: Path | Address, opening: Opening, wants: Wants, reading: Reading) -> RowSide:
    """A side by what its file is, or a live database. Raises UsageError for standard input, which is read once only."""
    if isinstance(place, Address):
        live = open_live(place, reading.timeout_seconds)
        return LiveRows(live, place.label, database_name=place.database, gentle=reading.gentle)
    path = place
    if str(path) == "-":
        raise UsageError("standard input can't be compared, rows are read more than once", "save it to a file first")
    opened = open_backup([path], opening)
    if opened.form == "sqlite-file" and opened.source.path and _is_side_copy(opened.source.path):
        return SideCopy(opened.source.path)
    head = opened.head.plain
    rows_file = path.suffix.lower() in _ROW_FILES or opened.form is None
    named = path.suffix.lower() in _ROW_FILES
    if rows_file and (is_json_lines(head) or ((named or csv_mark(head)) and _is_text(head))):
        return RowFile(path, opening, head)
    if opened.form is None:
        problem = opened.findings[-1]
        raise CannotCheck(f"{path}: {problem.message}", problem.advice)
    return BackupRows(path, opening, wants)


def _is_text(head: bytes) -> bool:
    return b"\0" not in head[:4096] and not head.lstrip().startswith(b"<")


def _is_side_copy(path: Path) -> bool:
    try:
        with closing(_readonly(path)) as connection:
            found = connection.execute("SELECT value FROM sospes_backup WHERE key = 'made by'").fetchone()
    except sqlite3.DatabaseError:
        return False
    return found is not None and found[0] == MARK


def _readonly(path: Path) -> sqlite3.Connection:
    return sqlite3.connect(f"file:{quote(str(path.resolve()))}?mode=ro", uri=True)


@dataclass(slots=True)
class BackupRows:
    """Rows straight from a backup, without a side copy in between. Its definitions are read first, if asked for."""

    path: Path
    opening: Opening
    wants: Wants
    definitions: bool = True
    name: str = ""
    engine: Engine | None = None
    tables: dict[Name, RowTable] = field(default_factory=dict)
    findings: list[Finding] = field(default_factory=list)
    bytes_read: int = 0
    written_at: str | None = None
    version: str = ""
    objects: BackupObjects = field(default_factory=BackupObjects)

    def __post_init__(self) -> None:
        """Read the definitions once, passing over the rows."""
        self.name = str(self.path)
        if not self.definitions:
            return
        opened = self._open(lambda _: False)
        entries: dict[Name, Entry] = {}
        for event in opened.events():
            if isinstance(event, Finding):
                self.findings.append(event)
            elif isinstance(event, Entry):
                self._take(event, entries)
                engine = opened.reader.header.engine if opened.reader else None
                self.objects.take(event, engine or Engine.POSTGRESQL)
            elif isinstance(event, RowsBegin) and event.table not in entries:
                columns = tuple(Column(name=name, type="") for name in event.columns or ())
                self.tables.setdefault(event.table, RowTable(name=event.table, columns=columns))
        header = opened.reader.header if opened.reader else None
        self.engine = header.engine if header else None
        self.version = (header.engine_version or "") if header else ""
        self.written_at = str(header.written_at) if header and header.written_at else None

    def _open(self, wants: Wants) -> Opened:
        return open_backup([self.path], replace(self.opening, wants=wants, check_pages=False))

    def _take(self, entry: Entry, entries: dict[Name, Entry]) -> None:
        if entry.kind == "table":
            entries[entry.name] = entry
            columns = tuple(column for column in entry.columns if not column.generated)
            self.tables[entry.name] = RowTable(name=entry.name, columns=columns)
        elif entry.kind in {"view", "materialized view"}:
            self.tables.pop(entry.name, None)
        table = self.tables.get(entry.about or entry.name)
        for constraint in entry.constraints:
            if table is None:
                continue
            known = self.tables[table.name]
            if constraint.kind is ConstraintKind.PRIMARY and constraint.columns:
                self.tables[table.name] = replace(known, key=constraint.columns)
            elif constraint.references is not None:
                self.tables[table.name] = replace(known, references=(*known.references, constraint.references))

    def lined(self, wants: Wants) -> Iterator[LinedPart]:
        """All rows of the wanted tables as they stand; what can't be read of them goes to `findings`."""
        opened = self._open(wants)
        begin: RowsBegin | None = None
        before = self.bytes_read
        for event in opened.events():
            self.bytes_read = before + opened.text.bytes_read
            if isinstance(event, RowsBegin):
                begin = event
            elif isinstance(event, Batch) and begin is not None:
                yield LinedPart(begin.table, begin.columns or (), event, partial(self._part, begin=begin))
            elif isinstance(event, Finding) and event not in self.findings:
                self.findings.append(event)

    def parts(self, wants: Wants) -> Iterator[RowPart]:
        """All rows of the wanted tables; what can't be read of them goes to `findings`."""
        for part in self.lined(wants):
            yield part.convert(part.batch)

    def _part(self, batch: Batch, begin: RowsBegin) -> RowPart:
        known = {column.name: column for column in begin.entry.columns} if begin.entry else {}
        engine = self.engine or Engine.POSTGRESQL
        names = (
            begin.columns
            or default_names(begin.entry, engine)
            or tuple(f"column {n}" for n in range(1, batch.width + 1))
        )
        holds = [hold_of(engine, known[name].type) if name in known else Hold.TEXT for name in names]
        bad: list[tuple[int, int, bytes]] = []
        rows = list(held_rows(batch, holds, lambda row, column, cell: bad.append((row, column, cell))))
        for row, column, _ in bad:
            number = batch.number_of(row)
            found = fault(
                "value-unreadable",
                f"{begin.table.label}, row {number:,}: column {names[column]} holds no value of its type",
                "the row is damaged; verify the backup",
                Place(
                    file=self.name,
                    schema=begin.table.schema,
                    table=begin.table.name,
                    row_from=number,
                    row_to=number,
                ),
            )
            if found not in self.findings:
                self.findings.append(found)
        return RowPart(begin.table, names, rows)


@dataclass(slots=True)
class SideCopy:
    """Rows of a kept embedded side copy, with the types that its catalog has."""

    path: Path
    name: str = ""
    engine: Engine | None = None
    tables: dict[Name, RowTable] = field(default_factory=dict)
    findings: list[Finding] = field(default_factory=list)
    bytes_read: int = 0
    _held: dict[Name, tuple[str, tuple[str, ...], int]] = field(default_factory=dict)

    def __post_init__(self) -> None:
        """Read the catalog."""
        self.name = str(self.path)
        with closing(_readonly(self.path)) as connection:
            facts = dict(connection.execute("SELECT key, value FROM sospes_backup").fetchall())
            self.engine = Engine(facts["engine"]) if facts.get("engine") else None
            for row in connection.execute(
                'SELECT held_name, "database", "schema", name, rows FROM sospes_tables'
            ).fetchall():
                self._table(connection, *row)

    def _table(self, connection: sqlite3.Connection, held: str, *rest: str | int | None) -> None:
        database, schema, name, rows = rest
        table = Name(database, schema, str(name))  # type: ignore[arg-type]
        columns = []
        held_names = []
        for held_name, column, kind, collation, not_null in connection.execute(
            'SELECT held_name, name, type, "collation", not_null FROM sospes_columns '
            "WHERE held_table = ? AND held_name IS NOT NULL ORDER BY position",
            (held,),
        ):
            columns.append(Column(name=column, type=kind, collation=collation, not_null=bool(not_null)))
            held_names.append(held_name)
        key = connection.execute(
            "SELECT columns FROM sospes_keys WHERE held_table = ? AND kind = 'primary key'", (held,)
        ).fetchone()
        self.tables[table] = RowTable(
            name=table, columns=tuple(columns), key=tuple(key[0].split("\x1f")) if key and key[0] else ()
        )
        self._held[table] = (held, tuple(held_names), int(rows or 0))

    def value(self, query: str) -> str:
        """What a query of the user gives: the first cell of its first row. Raises UsageError for one that fails."""
        try:
            with closing(_readonly(self.path)) as connection:
                row = connection.execute(query).fetchone()
        except sqlite3.Error as error:
            raise UsageError(f"{query}: {error}", "try the query in the side copy itself") from error
        return "no row" if row is None else "NULL" if row[0] is None else str(row[0])

    def parts(self, wants: Wants) -> Iterator[RowPart]:
        """All rows of the wanted tables."""
        with closing(_readonly(self.path)) as connection:
            for table, (held, held_names, count) in self._held.items():
                if not wants(table):
                    continue
                names = tuple(column.name for column in self.tables[table].columns)
                if not names:
                    yield RowPart(table, (), [()] * count)
                    continue
                cursor = connection.execute(f"SELECT {', '.join(map(quoted, held_names))} FROM {quoted(held)}")
                while rows := cursor.fetchmany(ROWS_AT_ONCE):
                    yield RowPart(table, names, rows)


@dataclass(slots=True)
class LiveRows:
    """Rows of a database in use, in one snapshot."""

    database: LiveDatabase
    name: str
    database_name: str | None
    gentle: bool = False
    engine: Engine | None = None
    tables: dict[Name, RowTable] = field(default_factory=dict)
    findings: list[Finding] = field(default_factory=list)
    bytes_read: int = 0
    _live: dict[Name, LiveTable] = field(default_factory=dict)

    def __post_init__(self) -> None:
        """Read the catalog."""
        self.engine = self.database.engine
        for table in self.database.tables():
            self._live[table.name] = table
            self.tables[table.name] = RowTable(name=table.name, columns=table.columns, key=table.key)

    def close(self) -> None:
        """End the snapshot."""
        self.database.close()

    def _paced(self, parts: Iterator[Part]) -> Iterator[Part]:
        """The same; when gentle, with a pause behind each part as long as the server took for it."""
        begin = time.perf_counter()
        for part in parts:
            if self.gentle:
                time.sleep(time.perf_counter() - begin)
            yield part
            begin = time.perf_counter()

    def lined(self, wants: Wants) -> Iterator[LinedPart]:
        """All rows of the wanted tables as COPY text; nothing from engines that have none."""
        for name, table in self._live.items():
            if not wants(name):
                continue
            columns = tuple(column.name for column in table.columns)
            holds = [hold_of(Engine.POSTGRESQL, column.type) for column in table.columns]
            convert = partial(_converted, name, columns, holds)
            for batch in self._paced(self.database.batches(table)):
                yield LinedPart(name, columns, batch, convert)

    def parts(self, wants: Wants) -> Iterator[RowPart]:
        """All rows of the wanted tables."""
        for name, table in self._live.items():
            if wants(name):
                columns = tuple(column.name for column in table.columns)
                for rows in self._paced(self.database.rows(table)):
                    yield RowPart(name, columns, rows)


def _converted(name: Name, columns: tuple[str, ...], holds: Sequence[Hold], batch: Batch) -> RowPart:
    """COPY text of a live table as values."""
    return RowPart(name, columns, list(held_rows(batch, holds, lambda *_: None)))


@dataclass(slots=True)
class RowFile:
    """Rows of a CSV or JSON-lines file: one table without types, whatever it is called on the other side."""

    path: Path
    opening: Opening
    head: bytes
    name: str = ""
    engine: Engine | None = None
    tables: dict[Name, RowTable] = field(default_factory=dict)
    findings: list[Finding] = field(default_factory=list)
    bytes_read: int = 0

    def __post_init__(self) -> None:
        """Read the header, or the keys of the first object."""
        self.name = str(self.path)
        columns = tuple(Column(name=name, type="") for name in self._header())
        table = Name(None, None, self.path.name.split(".")[0])
        self.tables[table] = RowTable(name=table, columns=columns)

    @property
    def only(self) -> Name:
        """The one table that there is."""
        return next(iter(self.tables))

    def _lines(self) -> Iterator[str]:
        opened = open_backup([self.path], self.opening)
        return lines_of(self._blocks(opened), self.name)

    def _blocks(self, opened: Opened) -> Iterator[bytes]:
        for block in opened.text.blocks():
            if isinstance(block, Block):
                yield block.data
            elif block not in self.findings:
                self.findings.append(block)

    def _header(self) -> Sequence[str]:
        if is_json_lines(self.head):
            first = next(json_rows(self._lines(), self.name), {})
            return list(first)
        header = next(csv_rows(self._lines(), self._mark(), self.name), None)
        if header is None or any(cell is None for cell in header):
            raise NotFound(
                f"{self.path}: its first line names no columns",
                "write the columns' names into the first line",
            )
        return [str(cell) for cell in header]

    def _mark(self) -> str:
        return csv_mark(self.head) or ","

    def parts(self, wants: Wants) -> Iterator[RowPart]:
        """All rows."""
        names = tuple(column.name for column in self.tables[self.only].columns)
        if is_json_lines(self.head):
            rows: Iterator[Row] = (reordered(record, names) for record in json_rows(self._lines(), self.name))
        else:
            rows = self._csv(len(names))
        for part in in_parts(rows):
            yield RowPart(self.only, names, part)

    def _csv(self, width: int) -> Iterator[Row]:
        records = csv_rows(self._lines(), self._mark(), self.name)
        next(records, None)
        for number, record in enumerate(records, 1):
            if len(record) != width:
                if record == [None]:
                    continue
                raise CannotCheck(
                    f"{self.path}: row {number:,} has {len(record)} cells, the header names {width}",
                    "mend the file",
                )
            yield tuple(record)

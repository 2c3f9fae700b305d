"""Writers of extracted tables: SQL that loads on the original engine, CSV, JSON lines."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import IO

from sospes.engines.registry import dialect_of
from sospes.model.entries import Column, Engine, Entry, Name
from sospes.model.errors import UsageError
from sospes.model.events import Batch, Event, Notation, RowsBegin, RowsEnd
from sospes.model.types import Hold
from sospes.rows.decoding import Row, held_rows
from sospes.rows.writing import csv_header, csv_lines, is_formula, json_lines, sql_rows, without_formulas
from sospes.sql.quoting import double_quoted
from sospes.work.extract.gathering import Gatherer
from sospes.work.selection import Selection


@dataclass(frozen=True, slots=True, kw_only=True)
class ExtractedTable:
    """A table that was taken out; `bytes` is what it takes in the output, None in a side copy."""

    database: str | None
    schema: str | None
    name: str
    rows: int
    bytes: int | None


@dataclass(slots=True)
class Output:
    """A file that is written beside its place and put there at the end, so that nothing half done is seen."""

    file: IO[bytes]
    written: int = 0
    discarded: bool = False

    def write(self, data: bytes) -> int:
        """Write bytes; how many."""
        self.file.write(data)
        self.written += len(data)
        return len(data)

    def discard(self) -> None:
        """Nothing is to come of it."""
        self.discarded = True


class SqlWriter:
    """Writes the statements and rows that the wanted tables need, in stored order."""

    def __init__(self, output: Output, selection: Selection, with_drop: bool) -> None:
        self._output = output
        self._gatherer = Gatherer(selection, None, with_drop)
        self._begin: RowsBegin | None = None
        self._started = False
        self.tables: dict[Name, ExtractedTable] = {}

    @property
    def left_out(self) -> list[str]:
        """What was not written because it needs tables that are not extracted."""
        return self._gatherer.left_out

    def wants(self, name: Name) -> bool:
        """Whether a table's rows are to come."""
        return self._gatherer.wants(name)

    def take(self, event: Event, engine: Engine | None) -> None:
        """Write what an event asks for."""
        self._gatherer.engine = engine or self._gatherer.engine
        if isinstance(event, Entry):
            for text in self._gatherer.take(event):
                self._write(text)
            if event.kind == "table" and self.wants(event.name):
                self._add(event.name, 0, 0)
        elif isinstance(event, RowsBegin):
            self._begin = event if self.wants(event.table) else None
            if self._begin is not None:
                self._add(event.table, 0, self._write(self._gatherer.before_rows() + _copy_opening(event)))
        elif isinstance(event, Batch) and self._begin is not None:
            self._add(self._begin.table, event.rows, self._rows(event, self._begin))
        elif isinstance(event, RowsEnd):
            if self._begin is not None and self._begin.notation is Notation.COPY:
                self._add(event.table, 0, self._write(b"\\.\n\n"))
            self._begin = None

    def _rows(self, batch: Batch, begin: RowsBegin) -> int:
        if batch.notation is Notation.COPY:
            return self._write(batch.stored)
        return self._write(sql_rows(batch, begin.opening, double_quoted(begin.table.name)))

    def _write(self, data: bytes) -> int:
        if not self._started and data:
            self._started = True
            data = dialect_of(self._gatherer.engine).around[0] + data
        return self._output.write(data)

    def _add(self, name: Name, rows: int, size: int) -> None:
        found = self.tables.get(name) or ExtractedTable(
            database=name.database, schema=name.schema, name=name.name, rows=0, bytes=0
        )
        self.tables[name] = replace(found, rows=found.rows + rows, bytes=(found.bytes or 0) + size)

    def close(self) -> None:
        """Write what stands at the end."""
        self._output.write(self._gatherer.closing())
        if self._started:
            self._output.write(dialect_of(self._gatherer.engine).around[1])


def _copy_opening(begin: RowsBegin) -> bytes:
    return begin.opening.rstrip() + b"\n" if begin.notation is Notation.COPY else b""


class RowsWriter:
    """Writes the rows of one table as CSV or JSON lines.

    formulas  how many rows of a CSV file have a cell that a spreadsheet would run; with `safe` none has
    """

    def __init__(self, output: Output, selection: Selection, form: str, *, safe: bool = False) -> None:
        self.formulas = 0
        self._safe = safe
        self._output = output
        self._form = form
        self.wants = selection
        self._columns: list[Column] = []
        self._engine: Engine | None = None
        self._current: Name | None = None
        self._header_written = False
        self.left_out: list[str] = []
        self.tables: dict[Name, ExtractedTable] = {}

    def take(self, event: Event, engine: Engine | None) -> None:
        """Write what an event asks for."""
        self._engine = engine or self._engine
        if isinstance(event, Entry) and event.kind == "table" and self.wants(event.name):
            self._begin(event.name, list(event.columns), write_header=False)
        elif isinstance(event, RowsBegin):
            self._current = event.table if self.wants(event.table) else None
            if self._current is not None:
                self._begin(event.table, _columns_of(event), write_header=True)
        elif isinstance(event, Batch) and self._current is not None:
            self._rows(event, self._current)

    def _begin(self, name: Name, columns: list[Column], write_header: bool) -> None:
        self._columns = columns
        self.tables.setdefault(
            name, ExtractedTable(database=name.database, schema=name.schema, name=name.name, rows=0, bytes=0)
        )
        if write_header:
            self._write_header()

    def _write_header(self) -> None:
        if self._form == "csv" and not self._header_written:
            self._output.write(csv_header([column.name for column in self._columns]))
        self._header_written = True

    def _rows(self, batch: Batch, table: Name) -> None:
        holds = [dialect_of(self._engine).hold(column.type) if column.type else Hold.TEXT for column in self._columns]
        bad: list[int] = []
        rows = list(held_rows(batch, holds, lambda row, column, cell: bad.append(row)))
        if bad:
            raise UsageError(
                f"{table.label}: row {batch.number_of(bad[0]):,} holds a value that its column can't have",
                "take the table out as SQL, which copies rows as they stand, or verify the backup first",
            )
        names = [column.name for column in self._columns]
        if self._form == "csv":
            rows = self._without_formulas(rows)
        text = csv_lines(rows) if self._form == "csv" else json_lines(names, rows)
        found = self.tables[table]
        self.tables[table] = replace(
            found, rows=found.rows + batch.rows, bytes=(found.bytes or 0) + self._output.write(text)
        )

    def _without_formulas(self, rows: list[Row]) -> list[Row]:
        """The rows, safe if that is wanted; else those that are not are counted."""
        if self._safe:
            return [without_formulas(row) for row in rows]
        self.formulas += sum(any(map(is_formula, row)) for row in rows)
        return rows

    def close(self) -> None:
        """A table without rows still has its header."""
        if self._columns:
            self._write_header()


def _columns_of(begin: RowsBegin) -> list[Column]:
    known = {column.name: column for column in begin.entry.columns} if begin.entry else {}
    if begin.columns is None:
        return list(known.values())
    return [known.get(name, Column(name=name, type="")) for name in begin.columns]

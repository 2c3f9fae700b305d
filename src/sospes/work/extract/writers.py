"""Writers of extracted tables: SQL that loads on the original engine, and forms for other programs."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import IO

from sospes.engines.registry import dialect_of
from sospes.model.entries import Column, Engine, Entry, Name
from sospes.model.errors import UsageError
from sospes.model.events import Batch, Event, Notation, RowsBegin, RowsEnd
from sospes.model.kinds import Kind
from sospes.model.types import Hold, Meaning
from sospes.rows.decoding import held_rows
from sospes.rows.encoders import ENCODERS, RowEncoder
from sospes.rows.parquet import TypedColumn
from sospes.rows.writing import sql_rows
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
    """A file that only grows. It lies beside its place and is put there at the end: nothing half done is seen."""

    file: IO[bytes]
    written: int = 0
    discarded: bool = False

    def write(self, data: bytes) -> int:
        """Write bytes; how many. What a library still writes once all was given up goes nowhere."""
        if self.file.closed:
            return len(data)
        self.file.write(data)
        self.written += len(data)
        return len(data)

    @property
    def closed(self) -> bool:
        """Whether the file was closed."""
        return self.file.closed

    def tell(self) -> int:
        """How many bytes were written."""
        return self.written

    def flush(self) -> None:
        """Give what was written to the system."""
        self.file.flush()

    def close(self) -> None:
        """The file is closed by who opened it."""

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
            if event.kind == Kind.TABLE and self.wants(event.name):
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
    """Writes the rows of one table in a form for other programs.

    With `safe` no cell of it is left that a spreadsheet would run.
    """

    def __init__(self, output: Output, selection: Selection, form: str, *, safe: bool = False) -> None:
        self._safe = safe
        self._output = output
        self._form = form
        self.wants = selection
        self._columns: list[TypedColumn] = []
        self._engine: Engine | None = None
        self._current: Name | None = None
        self._encoder: RowEncoder | None = None
        self.left_out: list[str] = []
        self.tables: dict[Name, ExtractedTable] = {}

    @property
    def formulas(self) -> int:
        """How many rows have a cell that a spreadsheet would run."""
        return self._encoder.formulas if self._encoder is not None else 0

    def take(self, event: Event, engine: Engine | None) -> None:
        """Write what an event asks for."""
        self._engine = engine or self._engine
        if isinstance(event, Entry) and event.kind == Kind.TABLE and self.wants(event.name):
            self._begin(event.name, list(event.columns))
        elif isinstance(event, RowsBegin):
            self._current = event.table if self.wants(event.table) else None
            if self._current is not None:
                self._begin(event.table, _columns_of(event))
                self._started(event.table)
        elif isinstance(event, Batch) and self._current is not None:
            self._rows(event, self._current)

    def _begin(self, name: Name, columns: list[Column]) -> None:
        dialect = dialect_of(self._engine)
        self._columns = [
            TypedColumn(column, dialect.hold(column.type), dialect.meaning(column.type, column.collation))
            if column.type
            else TypedColumn(column, Hold.TEXT, Meaning.TEXT)
            for column in columns
        ]
        self.tables.setdefault(
            name, ExtractedTable(database=name.database, schema=name.schema, name=name.name, rows=0, bytes=0)
        )

    def _started(self, table: Name) -> RowEncoder:
        if self._encoder is None:
            make = ENCODERS[self._form]
            self._encoder = make(self._output, self._columns, table.label, safe=self._safe)
        return self._encoder

    def _rows(self, batch: Batch, table: Name) -> None:
        holds = [typed.hold for typed in self._columns]
        bad: list[int] = []
        rows = list(held_rows(batch, holds, lambda row, column, cell: bad.append(row)))
        if bad:
            raise UsageError(
                f"{table.label}: row {batch.number_of(bad[0]):,} holds a value that its column can't have",
                "take the table out as SQL, which copies rows as they stand, or verify the backup first",
            )
        self._started(table).write(rows)
        self.tables[table] = replace(self.tables[table], rows=self.tables[table].rows + batch.rows)

    def close(self) -> None:
        """A table without rows still has its header. All that was written is the one table's."""
        for name in self.tables:
            self._started(name).close()
            self.tables[name] = replace(self.tables[name], bytes=self._output.written)


def _columns_of(begin: RowsBegin) -> list[Column]:
    known = {column.name: column for column in begin.entry.columns} if begin.entry else {}
    if begin.columns is None:
        return list(known.values())
    return [known.get(name, Column(name=name, type="")) for name in begin.columns]

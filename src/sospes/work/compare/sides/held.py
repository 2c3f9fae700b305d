"""Rows of a kept side copy, and of a file of rows."""

from __future__ import annotations

import sqlite3
from collections.abc import Iterator, Sequence
from contextlib import closing
from dataclasses import dataclass, field
from pathlib import Path
from urllib.parse import quote

from sospes.formats.opening import Opened, Opening, open_backup
from sospes.model.entries import Column, Engine, Name
from sospes.model.errors import CannotCheck, NotFound, UsageError
from sospes.rows.decoding import Row, first_cell
from sospes.rows.files import csv_mark, csv_rows, in_parts, is_json_lines, json_rows, lines_of, reordered
from sospes.rows.parquet import is_parquet, parquet_columns, parquet_rows
from sospes.sides.embedded.names import quoted
from sospes.sides.embedded.shape import MARK
from sospes.stream.containers import Block
from sospes.work.compare.sides.protocol import BasicSide, RowPart, RowTable, Wants

ROWS_AT_ONCE = 5000


def is_side_copy(path: Path) -> bool:
    """Whether a SQLite file is a side copy that Sospes made."""
    try:
        with closing(_readonly(path)) as connection:
            found = connection.execute("SELECT value FROM sospes_backup WHERE key = 'made by'").fetchone()
    except sqlite3.DatabaseError:
        return False
    return found is not None and found[0] == MARK


def _readonly(path: Path) -> sqlite3.Connection:
    """A connection that can't change the file."""
    return sqlite3.connect(f"file:{quote(str(path.resolve()))}?mode=ro", uri=True)


@dataclass(slots=True)
class SideCopy(BasicSide):
    """Rows of a kept embedded side copy, with the types that its catalog has."""

    path: Path
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
        """One table, by what the catalog of the side copy says of it."""
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
        return first_cell(row)

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
class RowFile(BasicSide):
    """Rows of a CSV, JSON-lines or Parquet file: one table without types, whatever it is called on the other side."""

    typed = False
    path: Path
    opening: Opening
    head: bytes = b""
    bytes_read: int = 0

    def __post_init__(self) -> None:
        """Read the names of the columns: the header, the keys of the first object, or the file's own schema."""
        self.name = str(self.path)
        self.head = open_backup([self.path], self.opening).head.plain
        columns = tuple(Column(name=name, type="") for name in self._header())
        table = Name(None, None, self.path.name.split(".")[0])
        self.tables[table] = RowTable(name=table, columns=columns)

    @property
    def only(self) -> Name:
        """The one table that there is."""
        return next(iter(self.tables))

    def _lines(self) -> Iterator[str]:
        """Its lines of text."""
        opened = open_backup([self.path], self.opening)
        return lines_of(self._blocks(opened), self.name)

    def _blocks(self, opened: Opened) -> Iterator[bytes]:
        """Its plain bytes; what is wrong with a container around them is kept."""
        for block in opened.stored.text.blocks():
            if isinstance(block, Block):
                yield block.data
            elif block not in self.findings:
                self.findings.append(block)

    def _header(self) -> Sequence[str]:
        """The names of its columns."""
        if is_parquet(self.head):
            return parquet_columns(self.path)
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
        """What separates the cells."""
        return csv_mark(self.head) or ","

    def parts(self, wants: Wants) -> Iterator[RowPart]:
        """All rows."""
        names = tuple(column.name for column in self.tables[self.only].columns)
        rows: Iterator[Row]
        if is_parquet(self.head):
            rows = parquet_rows(self.path)
        elif is_json_lines(self.head):
            rows = (reordered(record, names) for record in json_rows(self._lines(), self.name))
        else:
            rows = self._csv(len(names))
        for part in in_parts(rows):
            yield RowPart(self.only, names, part)

    def _csv(self, width: int) -> Iterator[Row]:
        """Rows of CSV, each as wide as the header."""
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

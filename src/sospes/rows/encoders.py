"""Rows on their way into files for other programs: CSV, JSON lines, Parquet. A new one is a class and a line here."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Protocol

from sospes.rows.decoding import Row
from sospes.rows.parquet import ParquetWriter, TypedColumn
from sospes.rows.writing import csv_header, csv_lines, is_formula, json_lines, without_formulas


class Writable(Protocol):
    """Where bytes go, one after the other."""

    def write(self, data: bytes, /) -> int:
        """Write bytes; how many."""
        ...


class RowEncoder(Protocol):
    """Writes the rows of one table.

    formulas  how many rows have a cell that a spreadsheet would run
    """

    formulas: int

    def write(self, rows: Sequence[Row]) -> None:
        """Write some rows."""
        ...

    def close(self) -> None:
        """Write what stands at the end."""
        ...


class CsvEncoder:
    """CSV, with a header. With `safe` no cell is left that a spreadsheet would run."""

    def __init__(self, file: Writable, columns: Sequence[TypedColumn], _label: str, *, safe: bool) -> None:
        self.formulas = 0
        self._file = file
        self._safe = safe
        file.write(csv_header([typed.column.name for typed in columns]))

    def write(self, rows: Sequence[Row]) -> None:
        """Write some rows."""
        if self._safe:
            rows = [without_formulas(row) for row in rows]
        self.formulas += sum(any(map(is_formula, row)) for row in rows)
        self._file.write(csv_lines(rows))

    def close(self) -> None:
        """Nothing stands at the end."""


class JsonLinesEncoder:
    """One JSON object for each row."""

    formulas = 0

    def __init__(self, file: Writable, columns: Sequence[TypedColumn], _label: str, *, safe: bool) -> None:
        self._file = file
        self._names = [typed.column.name for typed in columns]

    def write(self, rows: Sequence[Row]) -> None:
        """Write some rows."""
        self._file.write(json_lines(self._names, rows))

    def close(self) -> None:
        """Nothing stands at the end."""


class ParquetEncoder:
    """Parquet, with the types of the backup."""

    formulas = 0

    def __init__(self, file: Writable, columns: Sequence[TypedColumn], label: str, *, safe: bool) -> None:
        self._writer = ParquetWriter(file, columns, label)

    def write(self, rows: Sequence[Row]) -> None:
        """Write some rows."""
        self._writer.write(rows)

    def close(self) -> None:
        """Write the last group, and the file's own table of contents."""
        self._writer.close()


ENCODERS: dict[str, Callable[..., RowEncoder]] = {
    "csv": CsvEncoder, "jsonl": JsonLinesEncoder, "parquet": ParquetEncoder,
}  # fmt: skip

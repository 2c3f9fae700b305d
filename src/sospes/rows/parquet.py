"""Rows as Parquet files, and from them: types are kept, and memory is bounded by one group of rows.

Source: Apache Parquet format, "Logical Types"; the library is PyArrow. What a column holds is told by its type in the
backup. Some values of engines have no place in Parquet's types (NaN and infinity among decimals, MariaDB's day 0, times
beyond the year 9999): they are refused by name, never written as something else.
"""

from __future__ import annotations

import json
import re
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from datetime import UTC, date, datetime
from decimal import Decimal
from pathlib import Path
from typing import TYPE_CHECKING, Any

import numpy

from sospes.model.entries import Column
from sospes.model.errors import CannotCheck, UsageError
from sospes.model.events import Held
from sospes.model.types import Hold, Meaning, base_type
from sospes.rows.decoding import Row

if TYPE_CHECKING:
    import pyarrow

MAGIC = b"PAR1"
GROUP_ROWS = 50_000
"""Rows of one group; as many are in memory at a time."""

_GROUP_BYTES = 64 << 20
"""Text and bytes of one group, about."""

_ROWS_READ = 5_000
_PLACES = re.compile(r"\(\s*(\d+)\s*(?:,\s*(\d+)\s*)?\)")
_MOST_DIGITS = 76
_BIGGEST = 1 << 63


def _arrow() -> Any:
    """The library, which only who uses this form needs."""
    try:
        import pyarrow
        import pyarrow.parquet
    except ImportError as error:
        raise CannotCheck(
            "Parquet needs the Python package pyarrow, which is not installed", "pip install 'sospes[parquet]'"
        ) from error
    return pyarrow


@dataclass(frozen=True, slots=True)
class TypedColumn:
    """A column of the backup with what its type means there."""

    column: Column
    hold: Hold
    meaning: Meaning


def _same(value: Held) -> object:
    return value


def _text(value: Held) -> object:
    if not isinstance(value, str):
        raise ValueError("is no text")
    return value


def _bytes(value: Held) -> object:
    if not isinstance(value, bytes):
        raise ValueError("is no bytes")
    return value


def _whole(value: Held) -> object:
    if not isinstance(value, int):
        raise ValueError("is no whole number")
    return value


def _decimal(value: Held) -> object:
    found = Decimal(str(value))
    if not found.is_finite():
        raise ValueError("is no finite number")
    return found


def _boolean(value: Held) -> object:
    if value not in {"t", "f", "true", "false"}:
        raise ValueError("is neither true nor false")
    return value in {"t", "true"}


def _float(value: Held) -> object:
    return float(str(value))


def _stamp(value: Held) -> object:
    return datetime.fromisoformat(str(value))


def _moment(value: Held) -> object:
    """A point in time; engines that keep no zone in its text mean UTC."""
    found = datetime.fromisoformat(str(value))
    return found.replace(tzinfo=UTC) if found.tzinfo is None else found.astimezone(UTC)


def _date(value: Held) -> object:
    return date.fromisoformat(str(value))


def _kind_of(typed: TypedColumn, arrow: Any) -> tuple[Any, Callable[[Held], object]]:
    """The type of a column in Parquet, and what makes a value of it."""
    base = base_type(typed.column.type).split(" ")[0]
    if typed.hold is Hold.INTEGER:
        return arrow.int64(), _whole
    if typed.hold is Hold.BYTES:
        return arrow.binary(), _bytes
    if typed.hold is Hold.ANY:
        return _of_any(typed.column.type.lower(), arrow)
    if typed.meaning is Meaning.DECIMAL:
        return _of_decimal(typed.column.type, arrow)
    found: dict[Meaning, tuple[Any, Callable[[Held], object]]] = {
        Meaning.INTEGER: (arrow.decimal128(20, 0), _decimal),
        Meaning.FLOAT: (arrow.float32() if base in {"real", "float4"} else arrow.float64(), _float),
        Meaning.BOOLEAN: (arrow.bool_(), _boolean),
        Meaning.MOMENT: (arrow.timestamp("us", "UTC"), _moment),
        Meaning.STAMP: (arrow.timestamp("us"), _stamp),
    }
    if base == "date":
        return arrow.date32(), _date
    return found.get(typed.meaning, (arrow.string(), _text))


def _of_any(declared: str, arrow: Any) -> tuple[Any, Callable[[Held], object]]:
    """A column that takes any value is taken by its word. Source: SQLite, "Determination Of Column Affinity"."""
    if "int" in declared:
        return arrow.int64(), _whole
    if any(word in declared for word in ("char", "clob", "text")):
        return arrow.string(), _text
    if not declared or "blob" in declared:
        return arrow.binary(), _bytes
    return (arrow.float64(), _float) if any(word in declared for word in ("real", "floa", "doub")) else (
        arrow.string(), _text,
    )  # fmt: skip


def _of_decimal(declared: str, arrow: Any) -> tuple[Any, Callable[[Held], object]]:
    """Decimals keep their places; where none are declared nobody knows how many there are, and text keeps them all."""
    places = _PLACES.search(declared)
    if places is None or int(places[1]) > _MOST_DIGITS:
        return arrow.string(), str
    digits, scale = int(places[1]), int(places[2] or 0)
    return (arrow.decimal128 if digits <= 38 else arrow.decimal256)(digits, scale), _decimal


class ParquetWriter:
    """Writes rows in groups. Raises UsageError for a value that has no place in its column's type."""

    def __init__(self, file: object, columns: Sequence[TypedColumn], label: str) -> None:
        self._arrow = _arrow()
        self._columns = columns
        self._label = label
        kinds = [_kind_of(typed, self._arrow) for typed in columns]
        self._made = [made for _, made in kinds]
        fields = [
            self._arrow.field(typed.column.name, kind, nullable=not typed.column.not_null)
            for typed, (kind, _) in zip(columns, kinds, strict=True)
        ]
        self._schema = self._arrow.schema(fields)
        self._writer = self._arrow.parquet.ParquetWriter(file, self._schema, compression="zstd")
        self._waiting: list[list[object]] = [[] for _ in columns]
        self._bytes = 0
        self._rows = 0

    def write(self, rows: Sequence[Row]) -> None:
        """Take rows in; a full group is written."""
        for number, row in enumerate(rows, self._rows + 1):
            for index, value in enumerate(row):
                self._waiting[index].append(None if value is None else self._value(index, value, number))
                self._bytes += len(value) if isinstance(value, str | bytes) else 8
        self._rows += len(rows)
        if len(self._waiting[0] if self._waiting else ()) >= GROUP_ROWS or self._bytes >= _GROUP_BYTES:
            self._flush()

    def close(self) -> None:
        """Write what is left, and the end of the file."""
        self._flush()
        self._writer.close()

    def _value(self, index: int, value: Held, number: int) -> object:
        try:
            return self._made[index](value)
        except (ValueError, ArithmeticError) as error:
            raise self._no_place(index, value, number) from error

    def _no_place(self, index: int, value: object, number: int | None) -> UsageError:
        typed = self._columns[index]
        where = "a row" if number is None else f"row {number:,}"
        return UsageError(
            f"{self._label}, {where}: {str(value)[:60]!r} of column {typed.column.name} has no place in Parquet's "
            f"{self._schema.field(index).type}",
            "take the table out with --as csv or --as jsonl, which keep every value as it is",
        )

    def _flush(self) -> None:
        if not self._bytes and not any(self._waiting):
            return
        arrays = []
        for index, values in enumerate(self._waiting):
            try:
                arrays.append(self._arrow.array(values, self._schema.field(index).type))
            except (ValueError, OverflowError, TypeError) as error:
                bad = next((value for value in values if value is not None), None)
                raise self._no_place(index, f"{bad} or a later value: {error}", None) from error
        self._writer.write_table(self._arrow.Table.from_arrays(arrays, schema=self._schema))
        self._waiting = [[] for _ in self._columns]
        self._bytes = 0


def is_parquet(head: bytes) -> bool:
    """Whether a file is Parquet, by its first bytes."""
    return head.startswith(MAGIC)


def parquet_columns(path: Path) -> list[str]:
    """The names of a file's columns. Raises CannotCheck for a file that is damaged."""
    return list(_opened(path).schema_arrow.names)


def parquet_rows(path: Path) -> Iterator[Row]:
    """All rows, in values as engines hold them. Raises CannotCheck for a file that is damaged."""
    arrow = _arrow()
    file = _opened(path)
    try:
        for batch in file.iter_batches(batch_size=_ROWS_READ):
            columns = [_held_column(column, arrow) for column in batch.columns]
            yield from zip(*columns, strict=True)
    except (arrow.ArrowException, OSError) as error:
        raise _damaged(path, error) from error


def _opened(path: Path) -> Any:
    arrow = _arrow()
    try:
        return arrow.parquet.ParquetFile(path)
    except (arrow.ArrowException, OSError) as error:
        raise _damaged(path, error) from error


def _damaged(path: Path, error: Exception) -> CannotCheck:
    return CannotCheck(f"{path}: is damaged, or no Parquet: {' '.join(str(error).split())[:200]}", "make it anew")


def _held_column(column: pyarrow.Array[Any], arrow: Any) -> list[Held]:
    """A column's values; times finer than microseconds, which no engine keeps, are refused rather than cut."""
    kind = column.type
    if arrow.types.is_timestamp(kind) and kind.unit == "ns":
        column = column.cast(arrow.timestamp("us", kind.tz))
    if arrow.types.is_float32(kind):  # in the few digits that tell it, not in those of a wider number
        return [None if value is None else str(numpy.float32(value)) for value in column.to_pylist()]
    return [_held(value) for value in column.to_pylist()]


def _held(value: object) -> Held:
    if value is None or isinstance(value, str | bytes):
        return value
    if isinstance(value, bool):
        return "t" if value else "f"
    if isinstance(value, int):
        return value if -_BIGGEST <= value < _BIGGEST else str(value)
    if isinstance(value, datetime):
        return value.isoformat(sep=" ")
    if isinstance(value, date):
        return value.isoformat()
    if isinstance(value, float):
        return repr(value)
    if isinstance(value, list | dict):
        return json.dumps(value, default=str)
    return str(value)

"""Rows as files: SQL statements, CSV, JSON lines."""

from __future__ import annotations

import json
import re
from collections.abc import Iterable, Sequence
from typing import Any

from sospes.model.events import Batch, Held, Notation
from sospes.rows.decoding import Row
from sospes.sql.quoting import literal

_FORMULA = re.compile(r"[=+\-@\t\r]")
_NUMBER = re.compile(r"[-+]?[\d.,]+(?:[eE][-+]?\d+)?")
_NEEDS_QUOTES = re.compile(r'[",\r\n]|^\s|\s$|^$')


def csv_header(columns: Sequence[str]) -> bytes:
    """The first line of a CSV file."""
    return (",".join(map(_csv_cell, columns)) + "\r\n").encode()


def csv_lines(rows: Iterable[Row]) -> bytes:
    """Rows as CSV (RFC 4180): NULL is nothing at all, empty text is a pair of quotes, bytes are \\x and hex."""
    return "".join(",".join(map(_csv_cell, row)) + "\r\n" for row in rows).encode("utf-8", "surrogatepass")


def is_formula(value: Held) -> bool:
    """Whether a spreadsheet would run a cell of text."""
    return isinstance(value, str) and _FORMULA.match(value) is not None and _NUMBER.fullmatch(value) is None


def without_formulas(row: Row) -> Row:
    """A row whose cells no spreadsheet runs: those that it would run begin with an apostrophe."""
    return tuple("'" + value if is_formula(value) and isinstance(value, str) else value for value in row)


def _csv_cell(value: Held) -> str:
    if value is None:
        return ""
    if isinstance(value, int):
        return str(value)
    if isinstance(value, bytes):
        return "\\x" + value.hex()
    return '"' + value.replace('"', '""') + '"' if _NEEDS_QUOTES.search(value) else value


def json_lines(columns: Sequence[str], rows: Iterable[Row]) -> bytes:
    """Rows as one JSON object a line: integers are numbers, all else is text exactly as the backup has it."""
    lines = (
        json.dumps(dict(zip(columns, map(_json_cell, row), strict=True)), ensure_ascii=False) + "\n" for row in rows
    )
    return "".join(lines).encode("utf-8", "surrogatepass")


def _json_cell(value: Held) -> Any:
    return "\\x" + value.hex() if isinstance(value, bytes) else value


def sql_rows(batch: Batch, opening: bytes, table: str) -> bytes:
    """A batch of literals or records as INSERT statements; `table` is the quoted name for records.

    COPY text is not for this: its lines go as they are, between the opening and the closing mark.
    """
    if batch.notation is Notation.RECORDS:
        return b"".join(_insert(table, record) for record in batch.records)
    if batch.starts is None or batch.ends is None:
        head = re.split(rb"(?i)\s+default\s+values", opening)[0] or b"INSERT INTO " + table.encode()
        return (head + b" DEFAULT VALUES;\n") * batch.rows
    begins, ends = (batch.starts[:, 0] - 1).tolist(), (batch.ends[:, -1] + 1).tolist()
    tuples = [batch.data[begin:end] for begin, end in zip(begins, ends, strict=True)]
    return opening.rstrip() + b"\n" + b",\n".join(tuples) + b";\n"


def _insert(table: str, record: tuple[object, ...]) -> bytes:
    cells = ",".join(map(_sqlite_literal, record))
    return f"INSERT INTO {table} VALUES({cells});\n".encode("utf-8", "surrogatepass")


_CONTROL = re.compile("[\0-\x08\x0b-\x1f\x7f\x85\u2028\u2029]|\r")


def _sqlite_literal(value: object) -> str:
    if value is None:
        return "NULL"
    if isinstance(value, bytes):
        return f"X'{value.hex()}'"
    if isinstance(value, str):
        if _CONTROL.search(value):  # clients end a line at some, and change others
            return f"CAST(X'{value.encode('utf-8', 'surrogatepass').hex()}' AS TEXT)"
        return literal(value)
    if isinstance(value, float) and value in {float("inf"), float("-inf")}:
        return "9e999" if value > 0 else "-9e999"
    return repr(value)

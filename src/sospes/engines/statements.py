"""Guarded statements: each changes exactly the row that was seen, or all is taken back."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Protocol

from sospes.model.entries import Column, Name
from sospes.model.events import Held
from sospes.sql.quoting import literal

CONTROL = re.compile("[\0-\x1f\x7f]")
"""Control characters, at which clients end lines, or which they change."""

Cells = Mapping[str, tuple[Column, Held]]
"""Column names with the column and a value."""


@dataclass(frozen=True, slots=True)
class Work:
    """What is to be run: statements that touch one row each, and definitions before and behind them."""

    rows: Sequence[bytes]
    before: Sequence[bytes] = ()
    behind: Sequence[bytes] = ()


class Statements(Protocol):
    """How an engine says it. Statements come without a closing mark; each touches exactly one row."""

    def insert(self, table: Name, cells: Cells) -> bytes:
        """Put a row in."""
        ...

    def delete(self, table: Name, seen: Cells, *, keyed: bool) -> bytes:
        """Take a row out that is as it was seen; one only of several that are equal, in a table without a key."""
        ...

    def update(self, table: Name, new: Cells, seen: Cells) -> bytes:
        """Set values of a row that is as it was seen."""
        ...

    def values(self, row: Sequence[Held]) -> bytes:
        """The values of a row as literals between parentheses."""
        ...

    def script(self, work: Work) -> Iterator[bytes]:
        """All statements as one guarded transaction, with the counts at the end."""
        ...


class StatementsInWords:
    """What engines share. `quote` delimits a name; `overriding` stands before the values of a new row."""

    overriding = b""

    def __init__(self, quote: Callable[[str], str]) -> None:
        self._quote = quote

    def _quoted(self, name: str) -> bytes:
        """A name, delimited."""
        return self._quote(name).encode()

    def _table(self, table: Name) -> bytes:
        """A table's name with its schema."""
        parts = [table.schema, table.name] if table.schema is not None else [table.name]
        return b".".join(self._quoted(part) for part in parts if part is not None)

    def _text(self, text: str) -> bytes:
        """Text as a literal."""
        return literal(text).encode("utf-8", "surrogateescape")

    def _bytes(self, value: bytes) -> bytes:
        """Bytes as a literal."""
        return b"X'" + value.hex().encode() + b"'"

    def _value(self, value: Held) -> bytes:
        """Any value as a literal."""
        if value is None:
            return b"NULL"
        if isinstance(value, int):
            return b"%d" % value
        return self._bytes(value) if isinstance(value, bytes) else self._text(value)

    def values(self, row: Sequence[Held]) -> bytes:
        """The values of a row as literals between parentheses."""
        return b"(" + b", ".join(map(self._value, row)) + b")"

    def _same(self, name: str, column: Column, value: Held) -> bytes:
        """The condition that a column still has a value, NULL included."""
        raise NotImplementedError

    def _where(self, seen: Cells) -> bytes:
        """The condition that a row is as it was seen."""
        return b" AND ".join(self._same(name, column, value) for name, (column, value) in seen.items())

    def insert(self, table: Name, cells: Cells) -> bytes:
        """Put a row in."""
        names = b", ".join(map(self._quoted, cells))
        values = b", ".join(self._value(value) for _, value in cells.values())
        return b"INSERT INTO %s (%s)%s VALUES (%s)" % (self._table(table), names, self.overriding, values)

    def delete(self, table: Name, seen: Cells, *, keyed: bool) -> bytes:
        """Take a row out that is as it was seen; one only of several that are equal, in a table without a key."""
        where = self._where(seen)
        return b"DELETE FROM %s WHERE %s" % (self._table(table), where if keyed else self._one_of(table, where))

    def _one_of(self, table: Name, where: bytes) -> bytes:
        """The condition that picks one of several equal rows."""
        raise NotImplementedError

    def update(self, table: Name, new: Cells, seen: Cells) -> bytes:
        """Set values of a row that is as it was seen."""
        sets = b", ".join(self._quoted(name) + b" = " + self._value(value) for name, (_, value) in new.items())
        return b"UPDATE %s SET %s WHERE %s" % (self._table(table), sets, self._where(seen))


def closed(definitions: Sequence[bytes]) -> Iterator[bytes]:
    """Definitions with one closing mark each."""
    for definition in definitions:
        yield definition.strip().rstrip(b";") + b";\n"

"""Guarded statements: each changes exactly the rows that were seen, or all is taken back.

A few rows are changed one by one, which people can read. Many go into a list first, a temporary table with the columns'
own types, and are changed by one statement that is joined with it.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from itertools import accumulate
from typing import Protocol

from sospes.model.entries import Column, Name
from sospes.model.events import Held
from sospes.sql.quoting import literal

CONTROL = re.compile("[\0-\x1f\x7f]")
"""Control characters, at which clients end lines, or which they change."""

Cells = Mapping[str, tuple[Column, Held]]
"""Column names with the column and a value."""


@dataclass(frozen=True, slots=True)
class Guarded:
    """A statement, and how many rows it has to touch; None for one that only prepares others."""

    statement: bytes
    rows: int | None = 1


@dataclass(frozen=True, slots=True)
class Work:
    """What is to be run: statements that touch rows, and definitions before and behind them."""

    rows: Sequence[Guarded]
    before: Sequence[bytes] = ()
    behind: Sequence[bytes] = ()

    @property
    def touched(self) -> int:
        """How many rows all of it has to touch."""
        return sum(one.rows or 0 for one in self.rows)

    def counted(self) -> Iterator[tuple[Guarded, int]]:
        """Each statement, with how many rows are touched up to and with it."""
        return zip(self.rows, accumulate(one.rows or 0 for one in self.rows), strict=True)


@dataclass(frozen=True, slots=True)
class Listed:
    """Rows of one table that are to be changed alike: which columns find them, which are set, which were seen.

    number  tells lists of one script apart
    rows    the values of each row: of its key, then those to set, then those that were seen
    """

    number: int
    table: Name
    key: Sequence[Column]
    new: Sequence[Column]
    seen: Sequence[Column]
    rows: Sequence[Sequence[Held]]


class Statements(Protocol):
    """How an engine says it. Statements come without a closing mark.

    lists  whether it is told to change many rows at once
    """

    lists: bool

    def insert(self, table: Name, cells: Cells) -> bytes:
        """Put a row in."""
        ...

    def delete(self, table: Name, seen: Cells, *, keyed: bool) -> bytes:
        """Take a row out that is as it was seen; one only of several that are equal, in a table without a key."""
        ...

    def update(self, table: Name, new: Cells, seen: Cells) -> bytes:
        """Set values of a row that is as it was seen."""
        ...

    def insert_many(self, table: Name, columns: Sequence[str], rows: Sequence[Sequence[Held]]) -> Guarded:
        """Put many rows in."""
        ...

    def update_listed(self, listed: Listed) -> Iterator[Guarded]:
        """Make a list of rows, and set values of all of them that are as they were seen."""
        ...

    def delete_listed(self, listed: Listed) -> Iterator[Guarded]:
        """Make a list of rows, and take all of them out that are as they were seen."""
        ...

    def values(self, row: Sequence[Held]) -> bytes:
        """The values of a row as literals between parentheses."""
        ...

    def without_triggers(self, tables: Sequence[Name]) -> tuple[Sequence[bytes], Sequence[bytes]] | None:
        """What keeps the triggers of tables from running, and what lets them run again; None where nothing can."""
        ...

    def script(self, work: Work) -> Iterator[bytes]:
        """All statements as one guarded transaction, with the counts at the end."""
        ...


class StatementsInWords:
    """What engines share. `quote` delimits a name; `overriding` stands before the values of a new row."""

    overriding = b""
    lists = True
    temporary = b"CREATE TEMPORARY TABLE %s%s AS SELECT %s FROM %s LIMIT 0"

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

    def insert_many(self, table: Name, columns: Sequence[str], rows: Sequence[Sequence[Held]]) -> Guarded:
        """Put many rows in."""
        names = b", ".join(map(self._quoted, columns))
        values = b",\n".join(map(self.values, rows))
        text = b"INSERT INTO %s (%s)%s VALUES\n%s" % (self._table(table), names, self.overriding, values)
        return Guarded(text, len(rows))

    def update_listed(self, listed: Listed) -> Iterator[Guarded]:
        """Make a list of rows, and set values of all of them that are as they were seen."""
        yield from self._list(listed)
        yield Guarded(self._joined_update(listed), len(listed.rows))

    def delete_listed(self, listed: Listed) -> Iterator[Guarded]:
        """Make a list of rows, and take all of them out that are as they were seen."""
        yield from self._list(listed)
        yield Guarded(self._joined_delete(listed), len(listed.rows))

    def without_triggers(self, _tables: Sequence[Name]) -> tuple[Sequence[bytes], Sequence[bytes]] | None:
        """Nothing can, in general."""
        return None

    def _list(self, listed: Listed) -> Iterator[Guarded]:
        """A temporary table whose columns have the types of the table's own, and the rows in it."""
        named = [
            self._quoted(column.name) + b" AS " + alias
            for word, columns in (("key", listed.key), ("new", listed.new), ("seen", listed.seen))
            for column, alias in called(word, columns)
        ]
        name = self._list_name(listed)
        parts = (name, self._list_key(listed), b", ".join(named), self._table(listed.table))
        yield Guarded(self.temporary % parts, None)
        for first in range(0, len(listed.rows), ROWS_AT_ONCE):
            some = listed.rows[first : first + ROWS_AT_ONCE]
            yield Guarded(b"INSERT INTO %s VALUES\n%s" % (name, b",\n".join(map(self.values, some))), None)

    def _list_key(self, _listed: Listed) -> bytes:
        """How the list's rows are found by their key; empty where the engine does without."""
        return b""

    def _list_name(self, listed: Listed) -> bytes:
        return b"sospes_list_%d" % listed.number

    def _set_parts(self, listed: Listed) -> list[bytes]:
        """What is set from the list, which is called `l`."""
        return [self._quoted(column.name) + b" = l." + alias for column, alias in called("new", listed.new)]

    def _matches(self, listed: Listed) -> bytes:
        """The condition that a row of the table, which is called `t`, is one of the list's, and as it was seen."""
        keys = [
            self._agrees(b"t." + self._quoted(column.name), b"l." + alias, column, plain=_is_full(listed.rows, place))
            for place, (column, alias) in enumerate(called("key", listed.key))
        ]
        seen = [
            self._agrees(b"t." + self._quoted(column.name), b"l." + alias, column, plain=False)
            for column, alias in called("seen", listed.seen)
        ]
        return b" AND ".join(keys + seen)

    def _agrees(self, one: bytes, other: bytes, column: Column, *, plain: bool) -> bytes:
        """The condition that two columns of one type have the same value; `plain` where none of them is NULL."""
        raise NotImplementedError

    def _joined_update(self, listed: Listed) -> bytes:
        """An update of the rows that are in the list."""
        raise NotImplementedError

    def _joined_delete(self, listed: Listed) -> bytes:
        """A deletion of the rows that are in the list."""
        raise NotImplementedError


ROWS_AT_ONCE = 1000
"""Rows in one statement that puts rows into a list."""


def _is_full(rows: Sequence[Sequence[Held]], place: int) -> bool:
    """Whether a column has a value in every row: plain equality then finds them, by an index."""
    return all(row[place] is not None for row in rows)


def called(word: str, columns: Sequence[Column]) -> list[tuple[Column, bytes]]:
    """Columns, with what they are called in a list."""
    return [(column, f"{word}_{number}".encode()) for number, column in enumerate(columns, 1)]


def no_longer(number: int, rows: int) -> bytes:
    """What is said of rows that live changed meanwhile; `number` counts all rows up to and with these."""
    if rows == 1:
        return b"row %d is no longer as it was compared" % number
    return b"some of the rows %d to %d are no longer as they were compared" % (number - rows + 1, number)


def closed(definitions: Sequence[bytes]) -> Iterator[bytes]:
    """Definitions with one closing mark each."""
    for definition in definitions:
        yield definition.strip().rstrip(b";") + b";\n"

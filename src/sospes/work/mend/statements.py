"""Guarded statements in the words of each engine: each changes exactly the row that was seen, or all is taken back."""

from __future__ import annotations

import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Protocol

from sospes.model.entries import Column, Engine, Name
from sospes.model.errors import CannotCheck
from sospes.model.events import Held
from sospes.rows.types import base_type
from sospes.sides.servers.address import Address

_WITH_EQUALITY = frozenset(
    "smallint integer bigint int int2 int4 int8 oid numeric decimal real double float4 float8 boolean bool text "
    "character char varchar bpchar name bytea uuid date time timetz timestamp timestamptz interval inet cidr macaddr "
    "macaddr8 bit money jsonb".split()
)
"""Types of PostgreSQL whose values are found by their literal. Of all others (types without equality or with one
that means something else, those of the backup's own, names of objects, arrays, ranges) the text is compared."""

_CONTROL = re.compile("[\0-\x1f\x7f]")

Cells = Mapping[str, tuple[Column, Held]]
"""Column names with the column and a value."""


@dataclass(frozen=True, slots=True)
class Work:
    """What is to be run: statements that touch one row each, and definitions before and behind them."""

    rows: Sequence[bytes]
    before: Sequence[bytes] = ()
    behind: Sequence[bytes] = ()


class Dialect(Protocol):
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

    def script(self, work: Work) -> Iterator[bytes]:
        """All statements as one guarded transaction, with the counts at the end."""
        ...

    def apply(self, address: Address, work: Work) -> None:
        """Run all statements in one transaction. Raises CannotCheck, with nothing changed, at the first that fails.

        MariaDB's definitions end a transaction by themselves: they are run before and behind it.
        """
        ...


def dialect_of(engine: Engine) -> Dialect:
    """The dialect of an engine."""
    if engine is Engine.POSTGRESQL:
        return _Postgresql()
    return _Sqlite() if engine is Engine.SQLITE else _Mariadb()


class _Words:
    """What the dialects share."""

    engine: Engine
    insert_words = b"INSERT INTO "
    overriding = b""

    def _quoted(self, name: str) -> bytes:
        return b'"' + name.replace('"', '""').encode() + b'"'

    def _table(self, table: Name) -> bytes:
        parts = [table.schema, table.name] if table.schema is not None else [table.name]
        return b".".join(self._quoted(part) for part in parts if part is not None)

    def _text(self, text: str) -> bytes:
        return b"'" + text.replace("'", "''").encode("utf-8", "surrogateescape") + b"'"

    def _bytes(self, value: bytes) -> bytes:
        return b"X'" + value.hex().encode() + b"'"

    def _value(self, value: Held) -> bytes:
        if value is None:
            return b"NULL"
        if isinstance(value, int):
            return b"%d" % value
        return self._bytes(value) if isinstance(value, bytes) else self._text(value)

    def _same(self, name: str, column: Column, value: Held) -> bytes:
        raise NotImplementedError

    def _where(self, seen: Cells) -> bytes:
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
        raise NotImplementedError

    def update(self, table: Name, new: Cells, seen: Cells) -> bytes:
        """Set values of a row that is as it was seen."""
        sets = b", ".join(self._quoted(name) + b" = " + self._value(value) for name, (_, value) in new.items())
        return b"UPDATE %s SET %s WHERE %s" % (self._table(table), sets, self._where(seen))


class _Postgresql(_Words):
    engine = Engine.POSTGRESQL
    overriding = b" OVERRIDING SYSTEM VALUE"
    _settings = (
        b"SET LOCAL timezone = 'UTC'", b"SET LOCAL datestyle = ISO", b"SET LOCAL intervalstyle = postgres",
        b"SET LOCAL extra_float_digits = 3", b"SET LOCAL standard_conforming_strings = on",
    )  # fmt: skip

    _defining = (b"SET LOCAL check_function_bodies = off", b"SET LOCAL search_path = ''")
    """Definitions name all that they mean; the triggers of live tables may count on their own search path."""

    def _behind(self, work: Work) -> Sequence[bytes]:
        return (*self._defining, *work.behind) if work.behind else ()

    def _bytes(self, value: bytes) -> bytes:
        return b"'\\x" + value.hex().encode() + b"'"

    def _same(self, name: str, column: Column, value: Held) -> bytes:
        quoted = self._quoted(name)
        if value is None:
            return quoted + b" IS NULL"
        first = base_type(column.type).split(" ")[0]
        cast = b"" if first in _WITH_EQUALITY and "[" not in column.type else b"::text"
        return quoted + cast + b" = " + self._value(value)

    def _one_of(self, table: Name, where: bytes) -> bytes:
        return b"(tableoid, ctid) = (SELECT tableoid, ctid FROM %s WHERE %s LIMIT 1)" % (self._table(table), where)

    def _text(self, text: str) -> bytes:
        """Control characters are written as escapes, so that no client takes one for the end of a line."""
        if _CONTROL.search(text) is None:
            return super()._text(text)
        raw = text.replace("\\", "\\\\").replace("'", "''")
        return (
            b"E'" + _CONTROL.sub(lambda match: f"\\x{ord(match[0]):02x}", raw).encode("utf-8", "surrogateescape") + b"'"
        )

    def script(self, work: Work) -> Iterator[bytes]:
        """One transaction around a block that counts each statement's rows."""
        yield b"BEGIN;\nSET LOCAL client_encoding = 'UTF8';\n"
        yield from (setting + b";\n" for setting in self._settings)
        yield from _closed(work.before)
        tag = _tag_for(work.rows)
        yield b"DO %s\nDECLARE\n  touched bigint;\n  done bigint := 0;\nBEGIN\n" % tag
        for number, statement in enumerate(work.rows, 1):
            yield b"  %s;\n  GET DIAGNOSTICS touched = ROW_COUNT;\n" % statement
            yield (
                b"  IF touched <> 1 THEN RAISE EXCEPTION 'row %% is no longer as it was compared', %d; END IF;\n"
                % number
            )
            yield b"  done := done + 1;\n"
        yield b"  RAISE NOTICE '%% rows brought back, %d expected', done;\nEND\n%s;\n" % (len(work.rows), tag)
        yield from _closed(self._behind(work))
        yield b"COMMIT;\n"

    def apply(self, address: Address, work: Work) -> None:
        """Run all statements in one transaction."""
        import psycopg

        from sospes.sides.postgresql.live import connected, one_line

        with connected(address) as connection:
            try:
                connection.execute("BEGIN")
                for setting in self._settings:
                    connection.execute(setting)
                for definition in work.before:
                    connection.execute(definition)
                for number, statement in enumerate(work.rows, 1):
                    if connection.execute(statement).rowcount != 1:
                        raise _not_as_seen(address, number)
                for definition in self._behind(work):
                    connection.execute(definition)
                connection.execute("COMMIT")
            except psycopg.Error as error:
                raise _taken_back(address, one_line(error)) from error


class _Mariadb(_Words):
    engine = Engine.MARIADB

    def _quoted(self, name: str) -> bytes:
        return b"`" + name.replace("`", "``").encode() + b"`"

    def _text(self, text: str) -> bytes:
        raw = text.replace("\\", "\\\\").replace("'", "''").replace("\0", "\\0").replace("\x1a", "\\Z")
        raw = raw.replace("\r", "\\r").replace("\n", "\\n").replace("\t", "\\t").replace("\b", "\\b")
        if "\\" in raw and not raw.isascii():  # a client in GBK or its like may take a backslash for a part of a letter
            return b"_utf8mb4 X'" + text.encode("utf-8", "surrogateescape").hex().encode() + b"'"
        return b"'" + raw.encode("utf-8", "surrogateescape") + b"'"

    def _same(self, name: str, column: Column, value: Held) -> bytes:
        quoted = self._quoted(name)
        if value is None:
            return quoted + b" IS NULL"
        if isinstance(value, int | bytes):
            return quoted + b" = " + self._value(value)
        return b"CAST(" + quoted + b" AS CHAR) = BINARY " + self._value(value)

    def _one_of(self, table: Name, where: bytes) -> bytes:
        return where + b" LIMIT 1"

    def script(self, work: Work) -> Iterator[bytes]:
        """One transaction in a compound statement, which signals an error for a row that isn't there."""
        yield b"\\C utf8mb4\n"  # the client itself: it has to know letters from quotes in names, too
        yield b"SET NAMES utf8mb4;\nSET time_zone = '+00:00';\nSET sql_mode = 'STRICT_TRANS_TABLES';\nDELIMITER //\n"
        yield from (definition + b"\n//\n" for definition in work.before)
        yield b"BEGIN NOT ATOMIC\n  DECLARE EXIT HANDLER FOR SQLEXCEPTION BEGIN ROLLBACK; RESIGNAL; END;\n"
        yield b"  START TRANSACTION;\n"
        for number, statement in enumerate(work.rows, 1):
            message = b"'row %d is no longer as it was compared'" % number
            yield b"  %s;\n  IF ROW_COUNT() <> 1 THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = %s; END IF;\n" % (
                statement, message,
            )  # fmt: skip
        yield b"  COMMIT;\n  SELECT '%d rows brought back' AS done;\nEND//\n" % len(work.rows)
        yield from (definition + b"\n//\n" for definition in work.behind)
        yield b"DELIMITER ;\n"

    def apply(self, address: Address, work: Work) -> None:
        """Run all statements in one transaction."""
        import pymysql

        from sospes.sides.mariadb.live import connected, one_line

        connection = connected(address)
        try:
            with connection.cursor() as cursor:
                cursor.execute("SET time_zone = '+00:00', sql_mode = 'STRICT_TRANS_TABLES'")
                for definition in work.before:
                    cursor.execute(definition)
                cursor.execute("START TRANSACTION")
                for number, statement in enumerate(work.rows, 1):
                    if cursor.execute(statement) != 1:
                        raise _not_as_seen(address, number)
                cursor.execute("COMMIT")
                for definition in work.behind:
                    cursor.execute(definition)
        except pymysql.Error as error:
            raise _taken_back(address, one_line(error)) from error
        finally:
            connection.close()  # what was not committed is taken back


class _Sqlite(_Words):
    engine = Engine.SQLITE

    def _same(self, name: str, column: Column, value: Held) -> bytes:
        return self._quoted(name) + b" IS " + self._value(value)

    def _one_of(self, table: Name, where: bytes) -> bytes:
        return b"rowid = (SELECT rowid FROM %s WHERE %s LIMIT 1)" % (self._table(table), where)

    def _text(self, text: str) -> bytes:
        """Text with control characters as its bytes: the engine's client ends lines at some and changes others."""
        if _CONTROL.search(text) is None:
            return super()._text(text)
        return b"CAST(X'" + text.encode("utf-8", "surrogateescape").hex().encode() + b"' AS TEXT)"

    def script(self, work: Work) -> Iterator[bytes]:
        """One transaction; a table with a check makes a statement fail that touched another number of rows."""
        yield b".bail on\nBEGIN;\n"
        yield from _closed(work.before)
        yield b"CREATE TEMP TABLE sospes_touched (rows INTEGER CHECK (rows = 1));\n"
        for statement in work.rows:
            yield statement + b";\nINSERT INTO sospes_touched SELECT changes();\n"
        yield b"DROP TABLE sospes_touched;\n"
        yield from _closed(work.behind)
        yield b"COMMIT;\n-- %d rows brought back\n" % len(work.rows)

    def apply(self, address: Address, work: Work) -> None:
        """No address names a SQLite file."""
        raise CannotCheck(f"{address.label}: is no server", "feed the script to the file yourself")


def _closed(definitions: Sequence[bytes]) -> Iterator[bytes]:
    """Definitions with one closing mark each."""
    for definition in definitions:
        yield definition.strip().rstrip(b";") + b";\n"


def _tag_for(statements: Sequence[bytes]) -> bytes:
    """A mark for the block around statements that none of them holds."""
    number = 0
    while any(b"$sospes%d$" % number in statement for statement in statements):
        number += 1
    return b"$sospes%d$" % number


def _not_as_seen(address: Address, number: int) -> CannotCheck:
    return _taken_back(address, f"row {number:,} of the script is no longer as it was compared")


def _taken_back(address: Address, why: str) -> CannotCheck:
    return CannotCheck(f"{address.label}: nothing was changed: {why}", "compare again, and mend what is found then")

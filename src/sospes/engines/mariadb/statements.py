"""Guarded statements in MariaDB's words: a compound statement that signals an error for a row that isn't there."""

from __future__ import annotations

import re
from collections.abc import Iterator

from sospes.engines.statements import Guarded, Listed, StatementsInWords, Work, called, no_longer
from sospes.model.entries import Column, Name
from sospes.model.events import Held

_UNKEYED = re.compile(r"(?i)(?:tiny|medium|long)?(?:blob|text)|geometry|json|$")
"""Types whose values are no key without a length; and what is of no known type."""


class MariadbStatements(StatementsInWords):
    """Statements that MariaDB takes."""

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

    def _list_key(self, listed: Listed) -> bytes:
        """A key of values that are compared as they are; one of a collation may take two of them for the same."""
        if any(column.collation or _UNKEYED.match(column.type) for column in listed.key):
            return b""
        return b" (PRIMARY KEY (%s))" % b", ".join(alias for _, alias in called("key", listed.key))

    def _agrees(self, one: bytes, other: bytes, column: Column, *, plain: bool) -> bytes:
        same = one + (b" = " if plain else b" <=> ") + other
        if column.collation is None:
            return same
        exact = b"BINARY " + one + b" <=> BINARY " + other  # whatever the collation takes for the same
        return same + b" AND " + exact if plain else exact

    def _joined_update(self, listed: Listed) -> bytes:
        sets = b", ".join(b"t." + part for part in self._set_parts(listed))
        parts = (self._table(listed.table), self._list_name(listed), self._matches(listed), sets)
        return b"UPDATE %s AS t JOIN %s AS l ON %s SET %s" % parts

    def _joined_delete(self, listed: Listed) -> bytes:
        parts = (self._table(listed.table), self._list_name(listed), self._matches(listed))
        return b"DELETE t FROM %s AS t JOIN %s AS l ON %s" % parts

    def _list(self, listed: Listed) -> Iterator[Guarded]:
        """The list, in the place of one that an earlier script of this connection left."""
        yield Guarded(b"DROP TEMPORARY TABLE IF EXISTS " + self._list_name(listed), None)
        yield from super()._list(listed)

    def script(self, work: Work) -> Iterator[bytes]:
        """One transaction in a compound statement, which signals an error for a row that isn't there."""
        # First of all, as the client splits the text that follows by the character set that it believes in.
        yield b"\\C utf8mb4\n"  # the client itself: it has to know letters from quotes in names, too
        yield b"SET NAMES utf8mb4;\nSET time_zone = '+00:00';\nSET sql_mode = 'STRICT_TRANS_TABLES';\nDELIMITER //\n"
        yield from (definition + b"\n//\n" for definition in work.before)
        yield b"BEGIN NOT ATOMIC\n  DECLARE EXIT HANDLER FOR SQLEXCEPTION BEGIN ROLLBACK; RESIGNAL; END;\n"
        yield b"  START TRANSACTION;\n"
        for one, number in work.counted():
            yield b"  %s;\n" % one.statement
            if one.rows is None:
                continue
            parts = (one.rows, no_longer(number, one.rows))
            yield b"  IF ROW_COUNT() <> %d THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = '%s'; END IF;\n" % parts
        yield b"  COMMIT;\n  SELECT '%d rows brought back' AS done;\nEND//\n" % work.touched
        yield from (definition + b"\n//\n" for definition in work.behind)
        yield b"DELIMITER ;\n"

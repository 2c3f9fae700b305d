"""Guarded statements in MariaDB's words: a compound statement that signals an error for a row that isn't there."""

from __future__ import annotations

from collections.abc import Iterator

from sospes.engines.statements import StatementsInWords, Work
from sospes.model.entries import Column, Name
from sospes.model.events import Held


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

    def script(self, work: Work) -> Iterator[bytes]:
        """One transaction in a compound statement, which signals an error for a row that isn't there."""
        # First of all, as the client splits the text that follows by the character set that it believes in.
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

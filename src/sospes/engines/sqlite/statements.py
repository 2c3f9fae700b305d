"""Guarded statements in SQLite's words: a table with a check fails a statement that touched another number of rows."""

from __future__ import annotations

from collections.abc import Iterator

from sospes.engines.statements import CONTROL, StatementsInWords, Work, closed
from sospes.model.entries import Column, Name
from sospes.model.events import Held


class SqliteStatements(StatementsInWords):
    """Statements that SQLite takes: one by one, as there is no server to spare."""

    lists = False

    def _same(self, name: str, column: Column, value: Held) -> bytes:
        return self._quoted(name) + b" IS " + self._value(value)

    def _one_of(self, table: Name, where: bytes) -> bytes:
        return b"rowid = (SELECT rowid FROM %s WHERE %s LIMIT 1)" % (self._table(table), where)

    def _text(self, text: str) -> bytes:
        """Text with control characters as its bytes: the engine's client ends lines at some and changes others."""
        if CONTROL.search(text) is None:
            return super()._text(text)
        return b"CAST(X'" + text.encode("utf-8", "surrogateescape").hex().encode() + b"' AS TEXT)"

    def script(self, work: Work) -> Iterator[bytes]:
        """One transaction; a table with a check makes a statement fail that touched another number of rows."""
        yield b".bail on\nBEGIN;\n"
        yield from closed(work.before)
        yield b"CREATE TEMP TABLE sospes_touched (rows INTEGER CHECK (rows = 1));\n"
        for one in work.rows:
            yield one.statement + b";\nINSERT INTO sospes_touched SELECT changes();\n"
        yield b"DROP TABLE sospes_touched;\n"
        yield from closed(work.behind)
        yield b"COMMIT;\n-- %d rows brought back\n" % work.touched

"""Guarded statements in PostgreSQL's words: a block counts the rows that each of them touches."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from sospes.engines.statements import CONTROL, Guarded, Listed, StatementsInWords, Work, closed, no_longer
from sospes.model.entries import Column, Name
from sospes.model.events import Held
from sospes.model.types import base_type
from sospes.sql.quoting import literal

_WITH_EQUALITY = frozenset(
    "smallint integer bigint int int2 int4 int8 oid numeric decimal real double float4 float8 boolean bool text "
    "character char varchar bpchar name bytea uuid date time timetz timestamp timestamptz interval inet cidr macaddr "
    "macaddr8 bit money jsonb".split()
)
"""Types of PostgreSQL whose values are found by their literal. Of all others (types without equality or with one
that means something else, those of the backup's own, names of objects, arrays, ranges) the text is compared."""


_STILL = """CREATE TEMPORARY TABLE sospes_triggers ON COMMIT DROP AS SELECT tgrelid::regclass AS of, tgname AS name
FROM pg_catalog.pg_trigger WHERE tgrelid IN ({listed}) AND NOT tgisinternal AND tgenabled = 'O'"""
_SWITCHED = """DO $sospes$ DECLARE one record; BEGIN FOR one IN SELECT * FROM pg_temp.sospes_triggers LOOP
  EXECUTE pg_catalog.format('ALTER TABLE %s {how} TRIGGER %I', one.of, one.name); END LOOP; END $sospes$"""


class PostgresqlStatements(StatementsInWords):
    """Statements that PostgreSQL takes."""

    overriding = b" OVERRIDING SYSTEM VALUE"
    temporary = b"CREATE TEMPORARY TABLE %s%s ON COMMIT DROP AS SELECT %s FROM %s LIMIT 0"
    settings = (
        b"SET LOCAL timezone = 'UTC'", b"SET LOCAL datestyle = ISO", b"SET LOCAL intervalstyle = postgres",
        b"SET LOCAL extra_float_digits = 3", b"SET LOCAL standard_conforming_strings = on",
    )  # fmt: skip

    _defining = (b"SET LOCAL check_function_bodies = off", b"SET LOCAL search_path = ''")
    """Definitions name all that they mean; the triggers of live tables may count on their own search path."""

    def behind(self, work: Work) -> Sequence[bytes]:
        """What is run behind the rows, as definitions need it."""
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
        if CONTROL.search(text) is None:
            return super()._text(text)
        raw = text.replace("\\", "\\\\").replace("'", "''")
        return (
            b"E'" + CONTROL.sub(lambda match: f"\\x{ord(match[0]):02x}", raw).encode("utf-8", "surrogateescape") + b"'"
        )

    def _agrees(self, one: bytes, other: bytes, column: Column, *, plain: bool) -> bytes:
        first = base_type(column.type).split(" ")[0]
        cast = b"" if first in _WITH_EQUALITY and "[" not in column.type else b"::text"
        same = b" = " if plain else b" IS NOT DISTINCT FROM "
        return one + cast + same + other + cast

    def _joined_update(self, listed: Listed) -> bytes:
        parts = (
            self._table(listed.table),
            b", ".join(self._set_parts(listed)),
            self._list_name(listed),
            self._matches(listed),
        )
        return b"UPDATE %s AS t SET %s FROM %s AS l WHERE %s" % parts

    def _joined_delete(self, listed: Listed) -> bytes:
        parts = (self._table(listed.table), self._list_name(listed), self._matches(listed))
        return b"DELETE FROM %s AS t USING %s AS l WHERE %s" % parts

    def _list(self, listed: Listed) -> Iterator[Guarded]:
        """The list, and statistics of it, without which the planner takes it for a few rows."""
        yield from super()._list(listed)
        yield Guarded(b"ANALYZE " + self._list_name(listed), None)

    def without_triggers(self, tables: Sequence[Name]) -> tuple[Sequence[bytes], Sequence[bytes]] | None:
        """Disable those that run for everybody, and enable the very same again, in the transaction of the rows."""
        if not tables:
            return (), ()
        listed = ", ".join(literal(self._table(table).decode()) + "::regclass" for table in tables)
        return [_STILL.format(listed=listed).encode(), _SWITCHED.format(how="DISABLE").encode()], [
            _SWITCHED.format(how="ENABLE").encode()
        ]

    def script(self, work: Work) -> Iterator[bytes]:
        """One transaction around a block that counts each statement's rows."""
        yield b"BEGIN;\nSET LOCAL client_encoding = 'UTF8';\n"
        yield from (setting + b";\n" for setting in self.settings)
        yield from closed(work.before)
        # A dollar quote around statements, whose values may hold any quotes, that of the block included.
        tag = _tag_for(work.rows)
        yield b"DO %s\n#variable_conflict use_column\nDECLARE\n  touched bigint;\n  done bigint := 0;\nBEGIN\n" % tag
        for one, number in work.counted():
            yield b"  %s;\n" % one.statement
            if one.rows is None:
                continue
            yield b"  GET DIAGNOSTICS touched = ROW_COUNT;\n  IF touched <> %d THEN " % one.rows
            yield b"RAISE EXCEPTION '%s'; END IF;\n" % no_longer(number, one.rows)
            yield b"  done := done + touched;\n"
        yield b"  RAISE NOTICE '%% rows brought back, %d expected', done;\nEND\n%s;\n" % (work.touched, tag)
        yield from closed(self.behind(work))
        yield b"COMMIT;\n"


def _tag_for(rows: Sequence[Guarded]) -> bytes:
    """A mark for the block around statements that none of them holds."""
    number = 0
    while any(b"$sospes%d$" % number in one.statement for one in rows):
        number += 1
    return b"$sospes%d$" % number

"""The openings of rows: which table, which columns, and where the rows begin."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from functools import cache, lru_cache

from sospes.model.entries import Engine, Name
from sospes.sql.lexis import Lexis, comments_or_space, without_comments
from sospes.sql.phrase import Phrase
from sospes.sql.statements import Where

_INSERT = re.compile(
    rb"(?:/\*M?!\d*\s*)?(?:insert|replace)\s+(?:low_priority\s+|high_priority\s+|delayed\s+|ignore\s+|or\s+\w+\s+)*"
    rb"(?:into\s+)?",
    re.I,
)
_NAME = rb'(?:"(?:[^"]|"")*"|`(?:[^`]|``)*`|\[[^\]]*\]|\'(?:[^\']|\'\')*\'|[A-Za-z_\x80-\xff][A-Za-z0-9_$\x80-\xff]*)'
_TARGET = re.compile(_NAME + rb"(?:\s*\.\s*" + _NAME + rb")*")
_ALIAS = re.compile(rb"\s+as\s+" + _NAME, re.I)
_LIST = re.compile(rb"\s*\(\s*(?:" + _NAME + rb"(?:\s*,\s*" + _NAME + rb")*\s*)?\)")
_INSERT_WORD = re.compile(rb"(?:insert|replace)\b", re.I)
_LONGEST_COMMENTED = 4096
"""Comments in an opening are passed over where it is no longer than this, in bytes."""
INSERT_TARGET = re.compile(
    _INSERT.pattern + _TARGET.pattern + rb"(?:" + _ALIAS.pattern + rb")?(?:" + _LIST.pattern + rb")?", re.I
)
"""An INSERT up to what gives its rows."""
_COPY = re.compile(
    rb"copy\s+(" + _TARGET.pattern + rb"\s*+(?:" + _LIST.pattern + rb"\s*+)?)from\s+stdin\b([^;]*);[ \t]*(\r?)\n", re.I
)
_NO_OPTIONS = frozenset({b"", b"with"})


@dataclass(frozen=True, slots=True)
class DataHead:
    """The opening of rows: the table, its named columns, and where the rows begin."""

    table: Name
    columns: tuple[str, ...] | None
    rows_from: int
    crlf: bool = False


def insert_head(data: bytes, start: int, lexis: Lexis, where: Where) -> DataHead | None:
    """The opening of an INSERT with VALUES at `start`; None for anything else, or if `data` ends in it."""
    plain = _insert_head(data, start, lexis, where)
    if plain is not None or not _INSERT_WORD.match(data, start):
        return plain
    commented = data[start : start + _LONGEST_COMMENTED]
    bare = without_comments(commented, lexis)
    head = _insert_head(bare, 0, lexis, where) if bare != commented else None
    return replace(head, rows_from=start + head.rows_from) if head else None


def _insert_head(data: bytes, start: int, lexis: Lexis, where: Where) -> DataHead | None:
    begin = _INSERT.match(data, start)
    target = begin and _TARGET.match(data, begin.end())
    if not target:
        return None
    alias = _ALIAS.match(data, target.end())
    named = alias.end() if alias else target.end()
    listed = _LIST.match(data, named)
    values = _values(lexis.engine).match(data, listed.end() if listed else named)
    if values is None:
        return None
    table, columns = _names(target[0] + (listed[0] if listed else b""), lexis, where.database, where.schema)
    return DataHead(table, columns, values.end())


def copy_head(data: bytes, start: int, lexis: Lexis, where: Where) -> DataHead | None:
    """The opening of COPY data at `start`, with its line end; None for anything else."""
    match = _COPY.match(data, start)
    if match is None or match[2].strip().lower() not in _NO_OPTIONS:
        return None
    table, columns = _names(match[1], lexis, where.database, where.schema)
    return DataHead(table, columns, match.end(), bool(match[3]))


def copy_with_options(data: bytes, start: int) -> re.Match[bytes] | None:
    """A COPY with options at `start`: the target, the options; people write such, whose rows come in another form."""
    match = _COPY.match(data, start)
    return None if match is None or match[2].strip().lower() in _NO_OPTIONS else match


@cache
def _values(engine: Engine) -> re.Pattern[bytes]:
    """What stands before the first row; made for the engines that are met."""
    words = rb"\s*(?:overriding\s+(?:system|user)\s+value\s*)?values?"
    return re.compile(words + comments_or_space(engine) + rb"(?=\()", re.I)


@lru_cache(maxsize=64)
def _names(text: bytes, lexis: Lexis, database: str | None, schema: str | None) -> tuple[Name, tuple[str, ...] | None]:
    """The table and its listed columns; one that gets its rows piece by piece is named the same way each time."""
    phrase = Phrase(text, lexis)
    table = phrase.name(database, schema)
    if phrase.word() != "(":
        return table, None
    return table, tuple(_column_names(phrase, *phrase.group())) or None


def _column_names(phrase: Phrase, first: int, last: int) -> list[str]:
    names = []
    for begin, _ in phrase.items(first, last):
        phrase.position = begin
        names.append(phrase.identifier())
    return names

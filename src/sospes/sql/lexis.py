"""Where statements end and what words they are made of, by engine.

Sources: PostgreSQL documentation, "Lexical Structure" and the client's notes on statements in function bodies;
MariaDB Knowledge Base, "String Literals", "Comment Syntax", "Delimiters"; SQLite, "SQL As Understood By SQLite".
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cache
from typing import NamedTuple

from sospes.model.entries import Engine
from sospes.sql.characters import said_in

PLAIN_STRING = rb"'(?:[^']++|'')*+'"
ESCAPED_STRING = rb"'(?:[^'\\]++|\\.|'')*+'"
_DOUBLE_QUOTED = rb'"(?:[^"]++|"")*+"'
_BACKTICKED = rb"`(?:[^`]++|``)*+`"
_BRACKETED = rb"\[[^\]]*+\]"
_DOLLAR_QUOTED = rb"\$(?P<tag>[A-Za-z_\x80-\xff][A-Za-z0-9_\x80-\xff]*+)?\$.*?\$(?(tag)(?P=tag))\$"
_NOT_IN_NAME = rb"(?<![A-Za-z0-9_$\x80-\xff])"
_STRING_PLAIN = re.compile(rb"(?:[^']++|'')*+'")
_STRING_ESCAPED = re.compile(rb"(?:[^'\\]++|\\.|'')*+'", re.S)
_DOUBLE = re.compile(rb'(?:[^"]++|"")*+"')
_DOUBLE_ESCAPED = re.compile(rb'(?:[^"\\]++|\\.|"")*+"', re.S)
_BACKTICK = re.compile(rb"(?:[^`]++|``)*+`")
_BRACKET = re.compile(rb"[^\]]*+\]")
_DOLLAR = re.compile(rb"\$(?:[A-Za-z_\x80-\xff][A-Za-z0-9_\x80-\xff]*+)?\$")
_LINE_END = re.compile(rb"[^\n]*+\n")
_SENT = re.compile(rb"\\g(?:x|desc|set(?:[ \t]+\w+)?)?[ \t]*(?=[\r\n]|$)")
"""How people have the client send a statement without a semicolon, to be shown or kept in the client's variables."""

_WORDS = rb"\b(?:begin|case|end)\b"
_POSTGRESQL = re.compile(rb"['\"$;()\\]|--|/\*|" + _WORDS, re.I)
_SQLITE = re.compile(rb"['\"`\[;]|--|/\*|" + _WORDS, re.I)
_HAS_BODY = {
    Engine.POSTGRESQL: re.compile(rb"\s*create\s+(?:or\s+replace\s+)?(?:function|procedure)\b", re.I),
    Engine.SQLITE: re.compile(rb"\s*create\s+(?:temp\s+|temporary\s+)?trigger\b", re.I),
}
_ATOMIC = re.compile(rb"\s+atomic\b", re.I)
_UNSAID = frozenset({"space", "conditional"})
_NAME_BYTES = frozenset(b"abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789_$")


@cache
def _token_pattern(engine: Engine, escapes: bool) -> re.Pattern[bytes]:
    """One pattern for all tokens: engines differ in comments, brackets and backslashes."""
    bracket = rb"(?P<bracket>" + _BRACKETED + rb")|" if engine is Engine.SQLITE else b""
    return re.compile(
        rb"(?P<space>[ \t\n\r\f]++|" + _comment(engine) + rb")"
        rb"|(?P<conditional>/\*M?!\d*|\*/)"
        rb"|(?P<string>[eE]" + ESCAPED_STRING + rb"|" + (ESCAPED_STRING if escapes else PLAIN_STRING) + rb")"
        rb"|(?P<word>[A-Za-z_\x80-\xff@][A-Za-z0-9_$\x80-\xff@]*+)"
        rb"|(?P<double>"
        + _DOUBLE_QUOTED
        + rb")|(?P<backtick>"
        + _BACKTICKED
        + rb")|"
        + bracket
        + rb"(?P<dollar>"
        + _DOLLAR_QUOTED
        + rb")"
        rb"|(?P<number>[0-9][0-9A-Za-z_.]*+)"
        rb"|(?P<mark>.)",
        re.S,
    )


_DEEPEST = 8
"""How deep comments in comments are read; PostgreSQL itself knows no end."""


@cache
def _comment(engine: Engine) -> bytes:
    """A comment of either kind. PostgreSQL alone reads comments inside of comments."""
    mariadb = engine in {Engine.MARIADB, Engine.MYSQL}
    line = rb"--(?=\s)[^\n]*+|\#[^\n]*+" if mariadb else rb"--[^\n]*+"
    block = rb"(?:[^*]++|\*(?!/))*+\*/"
    if engine is Engine.POSTGRESQL:
        for _ in range(_DEEPEST - 1):
            block = rb"(?:[^*/]++|\*(?!/)|/(?!\*)|/\*" + block + rb")*+\*/"
    return line + rb"|/\*(?!M?!)" + block


@cache
def comments_or_space(engine: Engine) -> bytes:
    """A pattern of what may stand between two words without saying anything."""
    return rb"(?:[ \t\n\r\f]++|" + _comment(engine) + rb")*+"


def past_comments(data: bytes, position: int, lexis: Lexis) -> int:
    """Where behind `position` something is said again."""
    match = re.compile(comments_or_space(lexis.engine)).match(data, position)
    return match.end() if match else position


def without_comments(text: bytes, lexis: Lexis) -> bytes:
    """The same text with blanks in place of its comments; lines and offsets stay."""
    pattern = _quoted_or_comment(lexis.engine, lexis.escapes)
    bare = pattern.sub(lambda match: _blanked(match[0]) if match.lastgroup == "comment" else match[0], _closed(text))
    return bare[: len(text)]


@cache
def _quoted_or_comment(engine: Engine, escapes: bool) -> re.Pattern[bytes]:
    """One pattern for what may hold the marks of a comment, and for comments; it passes over all else."""
    parts = [
        rb"(?P<comment>" + _comment(engine) + rb")",
        _NOT_IN_NAME + rb"[eE]" + ESCAPED_STRING,
        ESCAPED_STRING if escapes else PLAIN_STRING,
        _DOUBLE_QUOTED,
        _BACKTICKED,
    ]
    if engine is Engine.SQLITE:
        parts.append(_BRACKETED)
    if engine is Engine.POSTGRESQL:
        parts.append(_NOT_IN_NAME + _DOLLAR_QUOTED)
    return re.compile(b"|".join(parts), re.S)


def is_string(text: bytes, lexis: Lexis) -> bool:
    """Whether the text is one string and nothing else."""
    match = _token_pattern(lexis.engine, lexis.escapes).fullmatch(text)
    return match is not None and _said(match.lastgroup or "mark", "", lexis)[0] == "string"


def _closed(text: bytes) -> bytes:
    """With ends for comments that have none, so that nobody looks for one from each of their beginnings."""
    return text + b"*/" * text.count(b"/*") if b"/*" in text else text


def _blanked(comment: bytes) -> bytes:
    """A comment as blanks, its line ends kept, so that lines and offsets stay what they are."""
    return re.sub(rb"[^\n]", b" ", comment)


class Token(NamedTuple):
    """A word, name, string or mark: its kind, what it says (words in lower case, names unquoted), its range.

    word  what it says as a word or mark, in lower case; empty for names, strings and numbers
    """

    kind: str
    text: str
    start: int
    end: int
    word: str = ""


@dataclass(frozen=True, slots=True)
class Lexis:
    """How an engine reads text just now; settings inside a script change it."""

    engine: Engine
    escapes: bool = False  # whether a backslash in a plain string escapes what follows
    ansi_quotes: bool = False
    delimiter: bytes = b";"
    encoding: str = "utf-8"

    def changed(self, **parts: object) -> Lexis:
        """The same with some settings changed."""
        return replace(self, **parts)  # type: ignore[arg-type]

    @property
    def is_mariadb(self) -> bool:
        """Whether this is the family of MariaDB and MySQL."""
        return self.engine is Engine.MARIADB or self.engine is Engine.MYSQL


class Unfinished(Exception):
    """The text ends inside a statement. `inside` names the construct that never ended."""

    def __init__(self, inside: str) -> None:
        super().__init__(inside)
        self.inside = inside


def statement_end(data: bytes, start: int, lexis: Lexis) -> tuple[int, int]:
    """Where the statement at `start` ends, behind its delimiter, and the offset of a stray backslash or -1.

    Raises Unfinished when `data` ends first.
    """
    if lexis.is_mariadb:
        return _mariadb_end(data, start, lexis), -1
    return _body_aware_end(data, start, lexis)


def _body_aware_end(data: bytes, start: int, lexis: Lexis) -> tuple[int, int]:
    """The end of a statement whose body may hold semicolons: routines in SQL (BEGIN ATOMIC), SQLite's triggers."""
    marks = _POSTGRESQL if lexis.engine is Engine.POSTGRESQL else _SQLITE
    has_body = _HAS_BODY[lexis.engine].match(data, start) is not None
    depth = body = 0
    position = start
    stray = -1
    while match := marks.search(data, position):
        mark = match[0]
        position = match.end()
        if mark == b";":
            if depth <= 0 and body == 0:
                return position, stray
        elif mark == b"(":
            depth += 1
        elif mark == b")":
            depth -= 1
        elif mark == b"\\":
            # psql sends what it has at \\g and its like, as at a semicolon.
            sent = _SENT.match(data, match.start()) if depth <= 0 and body == 0 else None
            if sent is not None:
                return sent.end(), stray
            stray = match.start() if stray < 0 else stray
        elif len(mark) >= 3:
            body += _body_step(data, mark.lower(), position, body, lexis.engine) if has_body else 0
        else:
            position = _skip(data, match.start(), lexis)
    if body:
        raise Unfinished("a function body")
    raise Unfinished("parentheses" if depth > 0 else "a statement")


def _body_step(data: bytes, word: bytes, position: int, body: int, engine: Engine) -> int:
    """How much deeper a word leads into a body: BEGIN and CASE open, END closes."""
    if word == b"begin":
        return 1 if engine is Engine.SQLITE or _ATOMIC.match(data, position) else 0
    if body == 0:
        return 0
    return 1 if word == b"case" else -1


def _mariadb_end(data: bytes, start: int, lexis: Lexis) -> int:
    """The end of a statement by MariaDB's client, which knows a delimiter and quotes, and no bodies."""
    # Two dashes begin a comment only before a space: 5--3 is a sum there.
    marks = re.compile(rb"['\"`#]|--(?=\s|$)|/\*|\\[gG]|" + re.escape(lexis.delimiter))
    position = start
    while match := marks.search(data, position):
        if match[0] == lexis.delimiter or match[0][:1] == b"\\":  # the client's own words for an end
            return match.end()
        # What stands in a conditional comment runs, so its own quotes and semicolons count.
        if match[0] == b"/*" and data[match.end() : match.end() + 2].lstrip(b"M")[:1] == b"!":
            position = match.end()
            continue
        position = _skip(data, match.start(), lexis)
    raise Unfinished("a statement")


def _skip(data: bytes, start: int, lexis: Lexis) -> int:
    """The end of the string, quoted name or comment at `start`."""
    mark = data[start : start + 1]
    if mark == b"'":
        before = data[start - 1 : start] if start else b""
        pattern = _STRING_ESCAPED if lexis.escapes or _is_escape_prefix(data, start, before) else _STRING_PLAIN
        return _matched(pattern, data, start + 1, "a string")
    if mark == b'"':
        # As a string it takes backslashes; as a name, in the standard's mode and elsewhere, it doesn't.
        escaped = lexis.is_mariadb and lexis.escapes and not lexis.ansi_quotes
        return _matched(_DOUBLE_ESCAPED if escaped else _DOUBLE, data, start + 1, "a quoted name")
    if mark == b"`":
        return _matched(_BACKTICK, data, start + 1, "a quoted name")
    if mark == b"[":
        return _matched(_BRACKET, data, start + 1, "a quoted name")
    if mark == b"$":
        return _skip_dollar(data, start)
    if mark == b"/":
        return comment_end(data, start, lexis)
    return _matched(_LINE_END, data, start, "a comment")


def _is_escape_prefix(data: bytes, start: int, before: bytes) -> bool:
    """Whether an E before a quote makes an escape string of it, or is the end of a name."""
    return before in {b"e", b"E"} and (start < 2 or data[start - 2] not in _NAME_BYTES)


def _matched(pattern: re.Pattern[bytes], data: bytes, start: int, inside: str) -> int:
    """The end of what a pattern matches. Raises Unfinished where it never ends."""
    match = pattern.match(data, start)
    if match is None:
        raise Unfinished(inside)
    return match.end()


def _skip_dollar(data: bytes, start: int) -> int:
    """The end of a dollar-quoted string; a dollar within a name is none."""
    match = _DOLLAR.match(data, start)
    if match is None or (start and data[start - 1] in _NAME_BYTES):
        return start + 1
    end = data.find(match[0], match.end())
    if end < 0:
        raise Unfinished("a dollar-quoted string")
    return end + len(match[0])


def comment_end(data: bytes, start: int, lexis: Lexis) -> int:
    """Where the block comment at `start` ends; one of PostgreSQL may hold others. Raises Unfinished without an end."""
    # The standard nests comments, and only PostgreSQL does so: elsewhere the first end counts.
    nested = lexis.engine is Engine.POSTGRESQL
    position = start + 2
    depth = 1
    while depth:
        close = data.find(b"*/", position)
        if close < 0:
            raise Unfinished("a comment")
        inner = data.find(b"/*", position, close) if nested else -1
        depth += 1 if inner >= 0 else -1
        position = (inner if inner >= 0 else close) + 2
    return position


def tokens(statement: bytes, lexis: Lexis, limit: int | None = None) -> Iterator[Token]:
    """The words, names, strings and marks of a statement; space, comments and condition marks left out."""
    count = 0
    # Decoding once is four times as fast as decoding each word; offsets count bytes, so only ASCII allows it.
    whole = statement.decode("ascii") if statement.isascii() else None
    folds = lexis.engine is Engine.POSTGRESQL
    for match in _token_pattern(lexis.engine, lexis.escapes).finditer(_closed(statement)):
        kind = match.lastgroup or "mark"
        if kind in _UNSAID:
            continue
        start, end = match.span()
        text = whole[start:end] if whole is not None else said_in(match[0], lexis.encoding)
        if kind == "word":
            low = text.lower()
            yield Token(kind, low if folds else text, start, end, low)
        elif kind == "mark":
            yield Token(kind, text, start, end, text)
        else:
            yield Token(*_said(kind, text, lexis), start, end)
        count += 1
        if count == limit:
            return


def _said(kind: str, text: str, lexis: Lexis) -> tuple[str, str]:
    """What a token is and says: double quotes are names in the standard, and strings in MariaDB's own mode."""
    if kind == "double":
        if lexis.is_mariadb and not lexis.ansi_quotes:
            return "string", text
        return "name", text[1:-1].replace('""', '"')
    if kind == "backtick":
        return "name", text[1:-1].replace("``", "`")
    if kind == "bracket":
        return "name", text[1:-1]
    if kind in {"dollar", "tag"}:
        return "string", text
    return kind, text

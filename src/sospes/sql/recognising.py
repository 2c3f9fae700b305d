"""How SQL text is told from other bytes, and which engine's words it is in, by its beginning."""

from __future__ import annotations

import codecs
import re

from sospes.model.entries import Engine
from sospes.sql.characters import ANY
from sospes.sql.lexis import Lexis

_STATEMENT = re.compile(
    rb"^\s*(?:/\*M?!\d+\s*)?(?:create|insert|copy|alter|set|drop|begin|pragma|use|select|lock|update|delete|replace|grant)\s",
    re.I | re.M,
)
_OPENING = re.compile(rb"^-- (?:PostgreSQL database|MySQL dump|MariaDB dump)", re.M)
_MARKS = {
    Engine.POSTGRESQL: re.compile(
        rb"^-- PostgreSQL database|^copy [^;]* from stdin|client_encoding|pg_catalog|^\\(?:connect|restrict)|\$\$|::",
        re.I | re.M,
    ),
    Engine.MARIADB: re.compile(
        rb"^-- (?:MySQL|MariaDB) dump|/\*M?!\d|`|\bengine=|^lock tables|^delimiter|auto_increment",
        re.I | re.M,
    ),
    Engine.SQLITE: re.compile(
        rb"^pragma |^begin transaction;|sqlite_sequence|autoincrement|without rowid", re.I | re.M
    ),
}


def has_statements(plain: bytes) -> bool:
    """Whether a line begins like a statement, or like the first line of a backup program."""
    return (_STATEMENT.search(plain) or _OPENING.search(plain)) is not None


def is_text(plain: bytes) -> bool:
    """Scripts may hold raw bytes in their values, never in their first lines."""
    if _STATEMENT.search(plain) and plain.count(b"\0") * 20 < len(plain):
        return True
    sample = plain[:4096]
    control = sum(sample.count(bytes([code])) for code in (*range(9), *range(14, 32)))
    return control * 50 <= len(sample) and sample.count(b"\n") * 2000 + 4096 > len(sample) and _mostly_ascii(sample)


def _mostly_ascii(sample: bytes) -> bool:
    high = len(sample) - len(sample.translate(None, bytes(range(128, 256))))
    if high == 0:
        return True
    try:
        text = codecs.getincrementaldecoder("utf-8")().decode(sample)
    except UnicodeDecodeError:
        return high * 5 < len(sample)
    return bool(text) and sum(char.isprintable() or char.isspace() for char in text) == len(text)


def likely_lexis(plain: bytes) -> Lexis:
    """The lexis of the engine whose words a script most likely is in; PostgreSQL's where nothing tells."""
    for engine, mark in (
        (Engine.POSTGRESQL, rb"^-- PostgreSQL database"),
        (Engine.MARIADB, rb"^-- (?:MySQL|MariaDB) dump|^/\*M!999999"),
        (Engine.SQLITE, rb"\A\s*pragma foreign_keys=off;"),
    ):
        if re.search(mark, plain[:4096], re.I | re.M):
            return _lexis_of(engine)
    scores = {engine: len(mark.findall(plain[: 1 << 16])) for engine, mark in _MARKS.items()}
    best = max(scores, key=lambda engine: scores[engine])
    return _lexis_of(best if scores[best] else Engine.POSTGRESQL)


def _lexis_of(engine: Engine) -> Lexis:
    if engine is Engine.MARIADB:
        return Lexis(engine, escapes=True, encoding=ANY)  # until the script names a character set
    return Lexis(engine)

"""Tells what a file is from its first bytes, never from its name."""

from __future__ import annotations

import codecs
import re
from dataclasses import dataclass

from sospes.formats.script.characters import ANY
from sospes.formats.script.lexis import Lexis
from sospes.model.entries import Engine
from sospes.model.findings import Finding, doubt, fault

SQLITE_MAGIC = b"SQLite format 3\0"
ARCHIVE_MAGIC = b"PGDMP"
_TAKE_AGAIN = "find out what wrote this file, then take the backup again"
_ENCRYPTED = (
    b"Salted__",
    b"-----BEGIN PGP MESSAGE",
    b"age-encryption.org/",
    b"LUKS\xba\xbe",
    b"\x8c\x0d\x04",
)
_PAGE = re.compile(rb"\s*<(?:!doctype|html|\?xml|head|body|error)\b", re.I)
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


@dataclass(frozen=True, slots=True)
class Recognised:
    """What a file is: the form of backup, and for scripts how its text is to be read."""

    form: str
    lexis: Lexis | None = None


def recognise(plain: bytes, whole: bool) -> Recognised | Finding:
    """The form of a backup whose plain text begins with `plain`; a finding for what is no backup.

    `whole` says that nothing follows `plain`.
    """
    if not plain:
        return fault("empty", "the file is empty", "the backup program wrote nothing: take the backup again")
    if plain.startswith(SQLITE_MAGIC):
        return Recognised("sqlite-file")
    if not plain.strip(b"\0"):
        return fault("zeros", "the file holds nothing but zero bytes", _TAKE_AGAIN)
    if plain.startswith(_ENCRYPTED):
        return doubt("encrypted", "the file is encrypted", "decrypt it first and check what comes out")
    if _PAGE.match(plain):
        title = re.search(rb"<title>([^<]{1,80})", plain, re.I)
        said = f": {title[1].decode('utf-8', 'replace').strip()}" if title else ""
        return fault("not-a-backup", f"a web page was saved under the backup's name{said}", _TAKE_AGAIN)
    if plain.startswith(ARCHIVE_MAGIC) or (plain[257:262] == b"ustar" and plain.startswith(b"toc.dat\0")):
        return Recognised("pg-archive")
    if plain[257:262] == b"ustar":
        return doubt("tar", "the file is a tar of other files", "unpack it and verify the backups inside")
    if not _is_text(plain):
        return doubt(
            "unrecognised",
            f"the bytes are of no known form, they begin with {plain[:8].hex(' ')}",
            "if it is encrypted, decrypt it first; else find out what wrote it",
        )
    if not _STATEMENT.search(plain) and not _OPENING.search(plain):
        return _readable(plain, whole)
    return Recognised("sql-script", _lexis(plain))


def _is_text(plain: bytes) -> bool:
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


def _readable(plain: bytes, whole: bool) -> Finding:
    line = next((part for part in plain.decode("utf-8", "replace").splitlines() if part.strip()), "")
    return fault(
        "not-a-backup",
        f"readable text, but no backup; it begins: {line.strip()[:100]}"
        if whole or line
        else "the file holds blanks only",
        _TAKE_AGAIN,
    )


def _lexis(plain: bytes) -> Lexis:
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

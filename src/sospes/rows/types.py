"""What a column's type means for holding and comparing its values.

Sources: PostgreSQL documentation, "Data Types"; MariaDB Knowledge Base, "Data Types"; SQLite, "Datatypes".
"""

from __future__ import annotations

import re
from enum import StrEnum

from sospes.model.entries import Engine


class Hold(StrEnum):
    """How an embedded side copy keeps a column."""

    INTEGER = "INTEGER"
    BYTES = "BLOB"
    TEXT = "TEXT"
    ANY = "ANY"


class Meaning(StrEnum):
    """What makes two values of a type the same."""

    INTEGER = "integer"
    DECIMAL = "decimal"
    FLOAT = "float"
    TEXT = "text"
    FOLDED = "text without regard to case"
    PADDED = "text filled up with blanks"
    BYTES = "bytes"
    BOOLEAN = "boolean"
    JSON = "json"
    MOMENT = "point in time"
    MOMENTS = "points in time"
    OBJECT = "name of an object"
    STAMP = "date and time of day"
    OTHER = "other"
    DYNAMIC = "dynamic"


_BASE = re.compile(r'[\w ".]+')
_POSTGRESQL_INTEGERS = frozenset(
    "smallint integer bigint int int2 int4 int8 smallserial serial bigserial serial2 serial4 serial8 oid".split()
)
_MARIADB_INTEGERS = frozenset(
    "tinyint smallint mediumint int integer bigint bool boolean int1 int2 int3 int4 int8".split()
)
_MARIADB_BYTES = re.compile(
    r"(?:tiny|medium|long)?blob|(?:var)?binary|bit\b|(?:multi)?(?:point|linestring|polygon)|geometry|vector"
)
_TEXTS = re.compile(
    r"(?:national )?(?:character|char|varchar|nchar|bpchar|name|tinytext|mediumtext|longtext|text)\b|\"char\""
)
_PADDED = re.compile(r"(?:national )?(?:character|char|nchar|bpchar)(?! ?varying)\b")
_OBJECTS = frozenset("regclass regtype regproc regprocedure regoper regoperator regrole regnamespace regconfig".split())
_FOLDED = frozenset({"citext"})


def base_type(text: str) -> str:
    """A type's name in lower case, without its length and its modifiers."""
    match = _BASE.match(text.strip().lower())
    return " ".join(match[0].split()) if match else ""


def hold_of(engine: Engine, type_text: str) -> Hold:
    """How values of a type are held: 64-bit signed integers, bytes, or exact text."""
    if engine is Engine.SQLITE:
        return Hold.ANY
    base, text = base_type(type_text), type_text.lower()
    if engine is Engine.POSTGRESQL:
        if "[" in text:
            return Hold.TEXT
        if base in _POSTGRESQL_INTEGERS:
            return Hold.INTEGER
        return Hold.BYTES if base == "bytea" else Hold.TEXT
    first = base.split(" ")[0]
    if first in _MARIADB_INTEGERS:
        wide = first in {"bigint", "int8"} and ("unsigned" in text or "zerofill" in text)
        return Hold.TEXT if wide else Hold.INTEGER
    return Hold.BYTES if _MARIADB_BYTES.match(base) else Hold.TEXT


def meaning_of(engine: Engine, type_text: str, collation: str | None = None) -> Meaning:
    """What makes two values of a type the same."""
    if engine is Engine.SQLITE:
        return _affinity(type_text, collation)
    held, base = hold_of(engine, type_text), base_type(type_text)
    first = base.split(" ")[0]
    if held is Hold.INTEGER or (first in {"bigint", "int8"} and "unsigned" in type_text.lower()):
        return Meaning.INTEGER
    if held is Hold.BYTES:
        return Meaning.BYTES
    if engine is Engine.POSTGRESQL and first in _OBJECTS:
        return Meaning.OBJECT
    if first in {"tstzrange", "tstzmultirange"}:
        return Meaning.MOMENTS
    if "[" in type_text:
        zoned = first in {"timestamptz", "tstzrange"} or "with time zone" in type_text.lower()
        return Meaning.MOMENTS if zoned else Meaning.OTHER
    if first in {"numeric", "decimal", "dec", "fixed", "money"}:
        return Meaning.DECIMAL if first != "money" else Meaning.TEXT
    if first in {"real", "double", "float", "float4", "float8"}:
        return Meaning.FLOAT
    if first in {"boolean", "bool"}:
        return Meaning.BOOLEAN
    if first in {"timestamptz", "timestamp", "datetime"}:
        zoned = first == "timestamptz" or "with time zone" in type_text.lower()
        return Meaning.MOMENT if zoned or (first == "timestamp" and engine is not Engine.POSTGRESQL) else Meaning.STAMP
    if first in {"json", "jsonb"}:
        return Meaning.JSON
    if base.rsplit(".", 1)[-1].strip('"') in _FOLDED:
        return Meaning.FOLDED
    if engine is Engine.POSTGRESQL and _PADDED.match(base):
        return Meaning.PADDED
    if _TEXTS.match(base) or first in {"enum", "set"}:
        return Meaning.FOLDED if _folds(engine, collation) else Meaning.TEXT
    return Meaning.OTHER if first in {"interval", "timetz"} else Meaning.TEXT


_EXACT_POSTGRESQL = frozenset(
    "smallint integer bigint int int2 int4 int8 serial bigserial smallserial oid bytea numeric decimal real float "
    "float4 float8 boolean bool uuid date timestamp timestamptz text varchar char character bpchar name double inet "
    "cidr macaddr macaddr8".split()
)
_EXACT_MARIADB = frozenset("decimal numeric dec fixed date datetime timestamp time year uuid inet4 inet6".split())


def is_exact(engine: Engine, type_text: str, collation: str | None = None) -> bool:
    """Whether `meaning_of` tells for certain when two values are the same.

    It does not for types of the backup's own (domains over anything, extensions' types), for collations that
    fold or pad, and for SQLite, where the values of one column may differ in type.
    """
    if engine is Engine.SQLITE or "[" in type_text:
        return False
    first = base_type(type_text).split(" ")[0]
    if engine is Engine.POSTGRESQL:
        return first in _EXACT_POSTGRESQL and collation in {None, "C", "POSIX", "pg_catalog.C", "pg_catalog.default"}
    return hold_of(engine, type_text) is not Hold.TEXT or first in _EXACT_MARIADB or "int" in first


def _affinity(type_text: str, collation: str | None) -> Meaning:
    """SQLite's rules: a column holds numbers as numbers unless its type speaks of text."""
    text = type_text.lower()
    if "int" not in text and any(word in text for word in ("char", "clob", "text")):
        return Meaning.FOLDED if (collation or "").lower() == "nocase" else Meaning.TEXT
    return Meaning.DYNAMIC


def _folds(engine: Engine, collation: str | None) -> bool:
    """Whether text that differs in case or accents counts as the same under a collation of MariaDB."""
    if engine is Engine.POSTGRESQL:
        return False
    return collation is None or not collation.lower().endswith(("_bin", "binary", "_as_cs", "_cs"))

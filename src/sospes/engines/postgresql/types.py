"""What the types of PostgreSQL mean. Source: PostgreSQL documentation, "Data Types"."""

from __future__ import annotations

import re

from sospes.model.types import Hold, Meaning, base_type

_INTEGERS = frozenset(
    "smallint integer bigint int int2 int4 int8 smallserial serial bigserial serial2 serial4 serial8 oid".split()
)
_PADDED = re.compile(r"(?:national )?(?:character|char|nchar|bpchar)(?! ?varying)\b")
_OBJECTS = frozenset("regclass regtype regproc regprocedure regoper regoperator regrole regnamespace regconfig".split())
_FOLDED = frozenset({"citext"})
_SIMPLE = {
    **dict.fromkeys(("numeric", "decimal", "dec", "fixed"), Meaning.DECIMAL),
    **dict.fromkeys(("real", "double", "float", "float4", "float8"), Meaning.FLOAT),
    **dict.fromkeys(("boolean", "bool"), Meaning.BOOLEAN),
    **dict.fromkeys(("json", "jsonb"), Meaning.JSON),
    **dict.fromkeys(("tstzrange", "tstzmultirange"), Meaning.MOMENTS),
    **dict.fromkeys(("interval", "timetz"), Meaning.OTHER),
    **dict.fromkeys(_OBJECTS, Meaning.OBJECT),
    "money": Meaning.TEXT,
}
_EXACT = frozenset(
    "smallint integer bigint int int2 int4 int8 serial bigserial smallserial oid bytea numeric decimal real float "
    "float4 float8 boolean bool uuid date timestamp timestamptz text varchar char character bpchar name double inet "
    "cidr macaddr macaddr8".split()
)


def hold(type_text: str) -> Hold:
    """How values of a type are held: 64-bit signed integers, bytes, or exact text."""
    base = base_type(type_text)
    if "[" in type_text:
        return Hold.TEXT
    if base in _INTEGERS:
        return Hold.INTEGER
    return Hold.BYTES if base == "bytea" else Hold.TEXT


def meaning(type_text: str, _collation: str | None = None) -> Meaning:
    """What makes two values of a type the same."""
    held, base = hold(type_text), base_type(type_text)
    first = base.split(" ")[0]
    zoned = first in {"timestamptz", "tstzrange"} or "with time zone" in type_text.lower()
    if held is Hold.INTEGER:
        return Meaning.INTEGER
    if held is Hold.BYTES:
        return Meaning.BYTES
    if first in _OBJECTS:
        return Meaning.OBJECT
    if first in {"tstzrange", "tstzmultirange"}:
        return Meaning.MOMENTS
    if "[" in type_text:
        return Meaning.MOMENTS if zoned else Meaning.OTHER
    if first in _SIMPLE:
        return _SIMPLE[first]
    if first in {"timestamptz", "timestamp", "datetime"}:
        return Meaning.MOMENT if zoned else Meaning.STAMP
    if base.rsplit(".", 1)[-1].strip('"') in _FOLDED:
        return Meaning.FOLDED
    return Meaning.PADDED if _PADDED.match(base) else Meaning.TEXT


def is_exact(type_text: str, collation: str | None = None) -> bool:
    """Whether `meaning` tells for certain when two values are the same.

    It does not for types of the backup's own (domains over anything, extensions' types), and for collations that fold.
    """
    if "[" in type_text:
        return False
    first = base_type(type_text).split(" ")[0]
    return first in _EXACT and collation in {None, "C", "POSIX", "pg_catalog.C", "pg_catalog.default"}

"""What the types of MariaDB and MySQL mean. Source: MariaDB Knowledge Base, "Data Types"."""

from __future__ import annotations

import re

from sospes.model.types import Hold, Meaning, base_type

_INTEGERS = frozenset("tinyint smallint mediumint int integer bigint bool boolean int1 int2 int3 int4 int8".split())
_BYTES = re.compile(
    r"(?:tiny|medium|long)?blob|(?:var)?binary|bit\b|(?:multi)?(?:point|linestring|polygon)|geometry|vector"
)
_TEXTS = re.compile(
    r"(?:national )?(?:character|char|varchar|nchar|bpchar|name|tinytext|mediumtext|longtext|text)\b|\"char\""
)
_SIMPLE = {
    **dict.fromkeys(("numeric", "decimal", "dec", "fixed"), Meaning.DECIMAL),
    **dict.fromkeys(("real", "double", "float", "float4", "float8"), Meaning.FLOAT),
    "timestamp": Meaning.MOMENT,
    "datetime": Meaning.STAMP,
    "json": Meaning.JSON,
}
_EXACT = frozenset("decimal numeric dec fixed date datetime timestamp time year uuid inet4 inet6".split())


def hold(type_text: str) -> Hold:
    """How values of a type are held: 64-bit signed integers, bytes, or exact text."""
    base, text = base_type(type_text), type_text.lower()
    first = base.split(" ")[0]
    if first in _INTEGERS:
        wide = first in {"bigint", "int8"} and ("unsigned" in text or "zerofill" in text)
        return Hold.TEXT if wide else Hold.INTEGER
    return Hold.BYTES if _BYTES.match(base) else Hold.TEXT


def meaning(type_text: str, collation: str | None = None) -> Meaning:
    """What makes two values of a type the same."""
    held, base = hold(type_text), base_type(type_text)
    first = base.split(" ")[0]
    if held is Hold.INTEGER or (first in {"bigint", "int8"} and "unsigned" in type_text.lower()):
        return Meaning.INTEGER
    if held is Hold.BYTES:
        return Meaning.BYTES
    if first in _SIMPLE:
        return _SIMPLE[first]
    if _TEXTS.match(base) or first in {"enum", "set"}:
        return Meaning.FOLDED if _folds(collation) else Meaning.TEXT
    return Meaning.TEXT


def is_exact(type_text: str, _collation: str | None = None) -> bool:
    """Whether `meaning` tells for certain when two values are the same: not under collations that fold or pad."""
    if "[" in type_text:
        return False
    first = base_type(type_text).split(" ")[0]
    return hold(type_text) is not Hold.TEXT or first in _EXACT or "int" in first


def _folds(collation: str | None) -> bool:
    """Whether text that differs in case or accents counts as the same."""
    return collation is None or not collation.lower().endswith(("_bin", "binary", "_as_cs", "_cs"))

"""What makes two values the same, and how they are held: the words in which engines say what a column's type means."""

from __future__ import annotations

import re
from enum import StrEnum


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


def base_type(text: str) -> str:
    """A type's name in lower case, without its length and its modifiers."""
    match = _BASE.match(text.strip().lower())
    return " ".join(match[0].split()) if match else ""

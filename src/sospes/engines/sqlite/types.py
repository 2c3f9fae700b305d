"""What the types of SQLite mean: any column takes any value. Source: SQLite documentation, "Datatypes"."""

from __future__ import annotations

from sospes.model.types import Hold, Meaning


def hold(_type_text: str) -> Hold:
    """Values keep the type that they came with."""
    return Hold.ANY


def meaning(type_text: str, collation: str | None = None) -> Meaning:
    """A column holds numbers as numbers unless its type speaks of text."""
    text = type_text.lower()
    if "int" not in text and any(word in text for word in ("char", "clob", "text")):
        return Meaning.FOLDED if (collation or "").lower() == "nocase" else Meaning.TEXT
    return Meaning.DYNAMIC


def is_exact(_type_text: str, _collation: str | None = None) -> bool:
    """Never: the values of one column may differ in type."""
    return False

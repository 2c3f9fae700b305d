"""Keys by the meaning of their type: two texts that are one value count as one key."""

from __future__ import annotations

import sqlite3
import unicodedata

from sospes.model.events import Held
from sospes.model.types import Meaning
from sospes.rows.canonical import normal_text

LEFT_TO_SQLITE = frozenset({Meaning.INTEGER, Meaning.BYTES, Meaning.TEXT, Meaning.BOOLEAN, Meaning.STAMP})
"""Meanings whose text or number is the same exactly when the values are the same."""

COARSE = "coarse"
"""Instead of a meaning: all that some engine may take for the same is."""


def same_key(value: Held, meaning: str) -> Held:
    """A stand-in for `value` that is equal for all values that are one key."""
    if meaning == COARSE and value is not None:
        return _coarse(value)
    if value is None or isinstance(value, bytes | int):
        return value
    if meaning == Meaning.FOLDED:
        return _folded(value)
    return normal_text(value, Meaning(meaning))


def _coarse(value: int | str | bytes) -> str:
    if isinstance(value, bytes):
        value = value.decode("latin-1")
    return _folded(normal_text(str(value), Meaning.DYNAMIC)).rstrip("\0")


def _folded(text: str) -> str:
    """Coarser than the collations that fold: what differs here differs in all of them."""
    plain = unicodedata.normalize("NFKD", text.rstrip(" "))
    kept = (char if ord(char) < 0x10000 else "\ufffd" for char in plain if not unicodedata.combining(char))
    return "".join(kept).casefold().replace("ss", "s")


def install(connection: sqlite3.Connection) -> None:
    """Make `sospes_same(value, meaning)` known to a connection."""
    connection.create_function("sospes_same", 2, same_key, deterministic=True)

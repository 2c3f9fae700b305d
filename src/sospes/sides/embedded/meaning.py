"""Keys by the meaning of their type: two texts that are one value count as one key."""

from __future__ import annotations

import json
import sqlite3
import unicodedata
from decimal import Decimal, InvalidOperation

from sospes.model.events import Held
from sospes.rows.types import Meaning

LEFT_TO_SQLITE = frozenset({Meaning.INTEGER, Meaning.BYTES, Meaning.TEXT, Meaning.BOOLEAN})
"""Meanings whose text or number is the same exactly when the values are the same."""

UNDECIDED = frozenset({Meaning.OTHER})
"""Meanings whose sameness only the engine itself knows, so that a key on them can't be held."""


def same_key(value: Held, meaning: str) -> Held:
    """A stand-in for `value` that is equal for all values that are one key."""
    if value is None or isinstance(value, bytes | int):
        return value
    if meaning == Meaning.DECIMAL:
        return _decimal(value)
    if meaning in {Meaning.FLOAT, Meaning.DYNAMIC}:
        return _float(value)
    if meaning == Meaning.FOLDED:
        return _folded(value)
    if meaning == Meaning.JSON:
        return _json(value)
    return value


def _decimal(text: str) -> str:
    try:
        number = Decimal(text)
    except InvalidOperation:
        return text
    if not number.is_finite():
        return str(number).lower()
    if number == 0:
        return "0"
    sign, digits, exponent = number.as_tuple()
    stripped = "".join(map(str, digits)).rstrip("0")
    return f"{'-' if sign else ''}{stripped}e{int(exponent) + len(digits) - len(stripped)}"


def _float(text: str) -> Held:
    try:
        number = float(text)
    except ValueError:
        return text
    return repr(number + 0.0) if number else "0.0"


def _folded(text: str) -> str:
    """Coarser than the collations that fold: what differs here differs in all of them."""
    plain = unicodedata.normalize("NFKD", text.rstrip(" "))
    kept = (char if ord(char) < 0x10000 else "\ufffd" for char in plain if not unicodedata.combining(char))
    return "".join(kept).casefold().replace("ss", "s")


def _json(text: str) -> str:
    try:
        return json.dumps(json.loads(text, parse_float=Decimal, parse_int=int), sort_keys=True, default=_decimal_text)
    except ValueError:
        return text


def _decimal_text(number: object) -> str:
    return _decimal(str(number))


def install(connection: sqlite3.Connection) -> None:
    """Make `sospes_same(value, meaning)` known to a connection."""
    connection.create_function("sospes_same", 2, same_key, deterministic=True)

"""One text for each value, the same for all spellings of it, and one line for each row."""

from __future__ import annotations

import json
import re
from collections.abc import Callable, Sequence
from datetime import datetime, timedelta
from decimal import Decimal, InvalidOperation

from sospes.model.events import Held
from sospes.rows.decoding import Row, bytea
from sospes.rows.types import Meaning

NULL = b"\\N"
Canonical = Callable[[Held], bytes]
_TRUE = frozenset({"t", "true", "1", "yes", "on"})
_FALSE = frozenset({"f", "false", "0", "no", "off"})


_PLAIN_INTEGER = re.compile(r"[-+]?\d+", re.ASCII)
_PLAIN_NUMBER = re.compile(r"([-+]?)(\d+)(?:\.(\d*))?")
MOST_ZEROS = 1000
"""A number with more zeros than this before or behind its point is written with an exponent."""


def decimal_text(text: str) -> str:
    """An exact number without superfluous zeros: 1.50 and 1.5 are one. Anything else stays as it is."""
    match = _PLAIN_NUMBER.fullmatch(text)
    if match is None:
        return _unusual_decimal(text)
    whole, fraction = match[2].lstrip("0") or "0", (match[3] or "").rstrip("0")
    number = f"{whole}.{fraction}" if fraction else whole
    return f"-{number}" if match[1] == "-" and number != "0" else number


def _unusual_decimal(text: str) -> str:
    """Numbers with an exponent, NaN, infinities."""
    try:
        number = Decimal(text)
    except InvalidOperation:
        return text
    if not number.is_finite():
        return str(number).lower()
    if -MOST_ZEROS < number.adjusted() < MOST_ZEROS:
        return decimal_text(format(number, "f"))
    sign, digits, exponent = number.as_tuple()
    stripped = "".join(map(str, digits)).rstrip("0")
    return f"{'-' if sign else ''}{stripped}e{int(exponent) + len(digits) - len(stripped)}" if stripped else "0"


def float_text(text: str) -> str:
    """The shortest text of the same floating-point number; minus zero is zero."""
    try:
        number = float(text)
    except ValueError:
        return text
    return repr(number) if number else "0.0"


def boolean_text(text: str) -> str:
    """t or f."""
    lowered = text.lower()
    return "t" if lowered in _TRUE else "f" if lowered in _FALSE else text


def json_text(text: str) -> str:
    """A document with its keys in order and its numbers exact."""
    try:
        return json.dumps(json.loads(text, parse_float=_number, parse_int=_number), sort_keys=True)
    except ValueError:
        return text


def _number(text: str) -> dict[str, str]:
    """A number as no document can hold one, so that it is told from text of the same digits."""
    return {"\0number": decimal_text(text)}


_MOMENT = re.compile(
    r"(\d{4})-(\d\d)-(\d\d)[ T](\d\d):(\d\d)(?::(\d\d)(\.\d+)?)?(?:Z|([-+])(\d\d)(?::?(\d\d))?)?", re.ASCII
)


def moment_text(text: str) -> str:
    """A point in time in UTC, which one without a zone is taken to be in (MariaDB's are).

    What is no such thing (infinity, years beyond 9999) stays as it is.
    """
    if text.endswith("+00") and text[10:11] == " " and text[-4:-3] != "0":
        return text
    match = _MOMENT.fullmatch(text)
    if match is None:
        return text
    offset = timedelta(hours=int(match[9] or 0), minutes=int(match[10] or 0))
    try:
        local = datetime(*(int(match[group] or 0) for group in range(1, 7)))  # type: ignore[arg-type]
        moved = local + offset if match[8] == "-" else local - offset
    except (ValueError, OverflowError):
        return text
    return f"{moved.isoformat(' ')}{_fraction(match[7])}+00"


def stamp_text(text: str) -> str:
    """Date and time of day without a zone; one with a zone, and what is no such thing, stays as it is."""
    match = _MOMENT.fullmatch(text)
    if match is None or match[8] or text.endswith("Z"):
        return text
    return f"{text[:10]} {match[4]}:{match[5]}:{match[6] or '00'}{_fraction(match[7])}"


def _fraction(text: str | None) -> str:
    """A fraction of a second without superfluous zeros."""
    return (text or "").rstrip("0").rstrip(".")


def dynamic_text(text: str) -> str:
    """A value of SQLite, whose columns hold integers and floating-point numbers side by side."""
    if _PLAIN_INTEGER.fullmatch(text):
        return decimal_text(text)
    try:
        return decimal_text(repr(float(text)))
    except ValueError:
        return text


def unpadded(text: str) -> str:
    """Text without the blanks that fill it up."""
    return text.rstrip(" ")


_TEXTS: dict[Meaning, Callable[[str], str]] = {
    Meaning.DECIMAL: decimal_text,
    Meaning.FLOAT: float_text,
    Meaning.DYNAMIC: dynamic_text,
    Meaning.BOOLEAN: boolean_text,
    Meaning.JSON: json_text,
    Meaning.MOMENT: moment_text,
    Meaning.STAMP: stamp_text,
    Meaning.PADDED: unpadded,
}


def normal_text(text: str, meaning: Meaning) -> str:
    """The one text of a value under a meaning whose values have several."""
    normal = _TEXTS.get(meaning)
    return text if normal is None else normal(text)


def canonical_of(meaning: Meaning) -> Canonical:
    """The function that gives the canonical bytes of a value of that meaning."""
    normal = _TEXTS.get(meaning)

    def canonical(value: Held) -> bytes:
        if value is None:
            return NULL
        if isinstance(value, int):
            return b"%d" % value if normal is None else escaped(normal(str(value)))
        if isinstance(value, bytes):
            return b"\\x" + value.hex().encode()
        if meaning is Meaning.INTEGER:
            return _integer(value)
        if meaning is Meaning.BYTES:
            return _bytes(value)
        return escaped(normal(value) if normal is not None else value)

    return canonical


def _integer(text: str) -> bytes:
    try:
        return b"%d" % int(text)
    except ValueError:
        return escaped(text)


def _bytes(text: str) -> bytes:
    try:
        return b"\\x" + bytea(text).hex().encode()
    except (ValueError, UnicodeEncodeError):
        return escaped(text)


def escaped(text: str) -> bytes:
    """Text with what would be mistaken for the marks of a row escaped."""
    raw = text.encode("utf-8", "surrogatepass")
    if b"\\" in raw or b"\t" in raw or b"\n" in raw:
        raw = raw.replace(b"\\", b"\\\\").replace(b"\t", b"\\t").replace(b"\n", b"\\n")
    return raw


def canonical_cells(row: Row, functions: Sequence[Canonical]) -> list[bytes]:
    """The canonical bytes of a row's cells."""
    return [function(value) for function, value in zip(functions, row, strict=True)]

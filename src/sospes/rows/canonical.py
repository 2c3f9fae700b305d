"""One text for each value, the same for all spellings of it, and one line for each row."""

from __future__ import annotations

import json
import re
from collections.abc import Callable, Sequence
from decimal import Decimal, InvalidOperation

from sospes.model.events import Held
from sospes.model.objects import settled_name
from sospes.model.types import Meaning
from sospes.rows.decoding import Row, bytea

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
    if lowered in _TRUE:
        return "t"
    return "f" if lowered in _FALSE else text


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
    r"(\d{4,})-(\d\d)-(\d\d)[ T](\d\d):(\d\d)(?::(\d\d)(\.\d+)?)?"
    r"(Z|([-+])(\d\d)(?::?(\d\d)(?::?(\d\d))?)?)?( BC)?",
    re.ASCII,
)
_DAY_SECONDS = 86_400
_WHOLE_SECONDS = len("2026-01-01 00:00:00+00")


def moment_text(text: str) -> str:
    """A point in time in UTC, which one without a zone is taken to be in (MariaDB's are).

    Zones may be apart from UTC by seconds, as local mean times were; years may lie before our era or beyond 9999. What
    is no such thing (infinity) stays as it is.
    """
    if text.endswith("+00") and text[10:11] == " " and (len(text) == _WHOLE_SECONDS or text[-4:-3] != "0"):
        return text
    match = _MOMENT.fullmatch(text)
    if match is None:
        return text
    return _in_utc(match)


def moments_text(text: str) -> str:
    """A range or an array of points in time: each of them in UTC."""
    return _MOMENT.sub(lambda match: _in_utc(match) if match[8] else match[0], text)


def _in_utc(match: re.Match[str]) -> str:
    year, month, day, hour, minute, second = (int(match[group] or 0) for group in range(1, 7))
    if not 1 <= month <= 12 or not 1 <= day <= 31:
        return match[0]
    if match[13]:
        year = 1 - year
    offset = sum(int(match[group] or 0) * unit for group, unit in ((10, 3600), (11, 60), (12, 1)))
    moved = hour * 3600 + minute * 60 + second - (-offset if match[9] == "-" else offset)
    days, rest = divmod(_days(year, month, day) * _DAY_SECONDS + moved, _DAY_SECONDS)
    year, month, day = _date(days)
    era = "" if year > 0 else " BC"
    shown = f"{year if year > 0 else 1 - year:04}-{month:02}-{day:02}"
    return f"{shown} {rest // 3600:02}:{rest // 60 % 60:02}:{rest % 60:02}{_fraction(match[7])}+00{era}"


def _days(year: int, month: int, day: int) -> int:
    """Days since 1 March of the year 0, in the Gregorian calendar carried back; years count from March."""
    year -= month <= 2
    era, within = divmod(year, 400)
    of_year = (153 * ((month + 9) % 12) + 2) // 5 + day - 1
    return era * 146_097 + within * 365 + within // 4 - within // 100 + of_year


def _date(days: int) -> tuple[int, int, int]:
    """The inverse of `_days`."""
    era, of_era = divmod(days, 146_097)
    within = (of_era - of_era // 1460 + of_era // 36_524 - of_era // 146_096) // 365
    of_year = of_era - (365 * within + within // 4 - within // 100)
    march = (5 * of_year + 2) // 153
    month = march + 3 if march < 10 else march - 9
    return era * 400 + within + (month <= 2), month, of_year - (153 * march + 2) // 5 + 1


def stamp_text(text: str) -> str:
    """Date and time of day without a zone; one with a zone, and what is no such thing, stays as it is."""
    match = _MOMENT.fullmatch(text)
    if match is None or match[8] or match[13]:
        return text
    return f"{match[1]}-{match[2]}-{match[3]} {match[4]}:{match[5]}:{match[6] or '00'}{_fraction(match[7])}"


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
    Meaning.MOMENTS: moments_text,
    Meaning.STAMP: stamp_text,
    Meaning.OBJECT: settled_name,
    Meaning.PADDED: unpadded,
}


def normal_text(text: str, meaning: Meaning) -> str:
    """The one text of a value under a meaning whose values have several."""
    normal = _TEXTS.get(meaning)
    return text if normal is None else normal(text)


def canonical_of(meaning: Meaning, *, untyped: bool = False) -> Canonical:
    """The function that gives the canonical bytes of a value of that meaning.

    untyped  values of a side are text whatever they are, so that bytes are the text which that side has for them
    """
    normal = _TEXTS.get(meaning)

    def canonical(value: Held) -> bytes:
        if value is None:
            return NULL
        if isinstance(value, int):
            return b"%d" % value if normal is None else escaped(normal(str(value)))
        if isinstance(value, bytes):
            written = b"\\x" + value.hex().encode()
            return written if not untyped or meaning is Meaning.BYTES else b"\\" + written
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

"""Why one value became another: the cause that lies between the two cells of a changed row.

Sources: PostgreSQL documentation, "Character Set Support"; MariaDB Knowledge Base, "Supported Character Sets".
"""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from datetime import datetime, timedelta
from decimal import ROUND_DOWN, ROUND_HALF_EVEN, ROUND_HALF_UP, Context, Decimal, InvalidOperation
from enum import StrEnum

from sospes.model.types import Meaning
from sospes.rows.canonical import NULL


class CauseKind(StrEnum):
    """What became of a value."""

    EMPTIED = "null-against-empty"
    CHARACTERS = "wrong-character-set"
    SHIFTED = "times-shifted"
    TIMES_ROUNDED = "times-rounded"
    ROUNDED = "decimals-rounded"
    BLANKS = "trailing-blanks"
    CUT = "text-cut"


@dataclass(frozen=True, slots=True)
class Cause:
    """A kind, and the words that tell one such cause from another: 'on the right' is part of them."""

    kind: CauseKind
    words: str


_NUMBERS = frozenset({Meaning.DECIMAL, Meaning.FLOAT, Meaning.DYNAMIC, Meaning.INTEGER})
_TIMES = frozenset({Meaning.MOMENT, Meaning.STAMP, Meaning.TEXT, Meaning.DYNAMIC})
_TEXTS = frozenset({Meaning.TEXT, Meaning.PADDED, Meaning.DYNAMIC, Meaning.JSON})
_STAMP = re.compile(rb"\d{4}-\d\d-\d\d[ T]\d\d:\d\d.*")
_HOUR = timedelta(hours=1)
_FURTHEST = timedelta(hours=26)
"""Two places on earth are no further apart."""

_MOST_DECIMALS = 40
_WIDE = Context(prec=200)

_ONE_BYTE = ("cp1252", "latin-1", "cp850", "cp437", "mac_roman", "cp1250", "iso8859-2", "cp1251", "koi8-r")
_READ_WRONGLY = (
    *(("utf-8", read) for read in _ONE_BYTE),
    *((wrote, read) for wrote in _ONE_BYTE for read in _ONE_BYTE if wrote != read),
)
"""In which character set text was written, and in which it was taken to be."""

_NAMES = {"utf-8": "UTF-8", "latin-1": "Latin 1", "iso8859-2": "Latin 2", "cp1252": "Windows-1252",
          "cp1250": "Windows-1250", "cp1251": "Windows-1251", "mac_roman": "Mac Roman", "koi8-r": "KOI8-R"}  # fmt: skip
_HOLES = {number: bytes([number]).decode("cp1252", "ignore") or chr(number) for number in range(128, 160)}
"""Windows-1252 as servers have it: what it leaves open is a control character."""

_HOPELESS_AFTER = 2000
"""Changed texts without any known cause, after which character sets aren't tried any more."""


class Causes:
    """Finds the causes of changed cells, and remembers which character sets did it."""

    def __init__(self) -> None:
        self._last: tuple[str, str] | None = None
        self._vain = 0

    def of(self, left: bytes, right: bytes, meaning: Meaning) -> Cause | None:
        """The cause of a changed cell, given in canonical form; None where none is known."""
        if {left, right} == {NULL, b""}:
            return Cause(CauseKind.EMPTIED, "")
        if NULL in {left, right}:
            return None
        if meaning in _TIMES and _STAMP.match(left) and _STAMP.match(right):
            return _moved(left, right)
        if meaning in _NUMBERS:
            found = _rounded(left, right)
            if found is not None:
                return found
        return self._text(left, right) if meaning in _TEXTS else None

    def _text(self, left: bytes, right: bytes) -> Cause | None:
        if left.rstrip(b" ") == right.rstrip(b" "):
            lost = len(right) < len(left)
            return Cause(CauseKind.BLANKS, "are lost on the right" if lost else "are on the right only")
        try:
            one, other = left.decode(), right.decode()
        except UnicodeDecodeError:
            return None
        if not (one.isascii() and other.isascii()):
            found = self._characters(one, other)
            if found is not None:
                return Cause(CauseKind.CHARACTERS, found)
        if other and one.startswith(other):
            return Cause(CauseKind.CUT, f"to {len(other):,} characters on the right")
        return None

    def _characters(self, left: str, right: str) -> str | None:
        """What was done to the characters of a text, in words."""
        for original, shown, where in ((left, right, "on the right"), (right, left, "on the left")):
            if _replaced(original, shown):
                return f"letters outside of ASCII are replaced {where}"
            for wrote, read in self._likely():
                once = _misread(original, wrote, read)
                if once == shown:
                    self._last = (wrote, read)
                    return f"{_name(wrote)} was read as {_name(read)} {where}"
                if once is not None and wrote == "utf-8" and _misread(once, wrote, read) == shown:
                    return f"{_name(wrote)} was twice read as {_name(read)} {where}"
        self._vain += 1
        return None

    def _likely(self) -> Iterator[tuple[str, str]]:
        if self._last is not None:
            yield self._last
        if self._vain < _HOPELESS_AFTER:
            yield from _READ_WRONGLY


def _name(encoding: str) -> str:
    return _NAMES.get(encoding, encoding)


def _misread(text: str, wrote: str, read: str) -> str | None:
    """Text as it looks when its bytes are taken to be in another character set."""
    try:
        raw = text.encode(wrote)
        return raw.decode("latin-1").translate(_HOLES) if read == "cp1252" else raw.decode(read)
    except UnicodeError:
        return None


def _replaced(original: str, shown: str) -> bool:
    """Whether each letter outside of ASCII, or each of its bytes, became the same stand-in."""
    if original.isascii():
        return False
    widths: tuple[Callable[[str], int], ...] = (lambda _: 1, lambda letter: len(letter.encode("utf-8", "replace")))
    return any(
        "".join(letter if letter.isascii() else mark * width(letter) for letter in original) == shown
        for mark in ("?", "\ufffd")
        for width in widths
    )


def _moved(left: bytes, right: bytes) -> Cause | None:
    """Times that are whole hours apart, or lost their fractions of seconds."""
    try:
        apart = datetime.fromisoformat(right.decode()) - datetime.fromisoformat(left.decode())
    except (ValueError, TypeError):
        return None
    hours, rest = divmod(abs(apart), _HOUR)
    if not rest and abs(apart) <= _FURTHEST:
        way = "later" if apart > timedelta() else "earlier"
        return Cause(CauseKind.SHIFTED, f"{hours} {'hour' if hours == 1 else 'hours'} {way} on the right")
    ours, theirs = (len(cell.partition(b".")[2].removesuffix(b"+00")) for cell in (left, right))
    if abs(apart) < timedelta(seconds=1) and ours != theirs:
        return Cause(CauseKind.TIMES_ROUNDED, "on the right" if theirs < ours else "on the left")
    return None


def _rounded(left: bytes, right: bytes) -> Cause | None:
    try:
        one, other = Decimal(left.decode()), Decimal(right.decode())
    except (InvalidOperation, UnicodeDecodeError):
        return None
    if _is_rounded(one, other):
        return Cause(CauseKind.ROUNDED, "on the right")
    return Cause(CauseKind.ROUNDED, "on the left") if _is_rounded(other, one) else None


def _is_rounded(exact: Decimal, rounded: Decimal) -> bool:
    """Whether a number with fewer decimals is what rounding, or cutting, makes of another."""
    if not (exact.is_finite() and rounded.is_finite()):
        return False
    had, has = _decimals(exact), _decimals(rounded)
    if not has < had <= _MOST_DECIMALS:
        return False
    return any(
        exact.quantize(Decimal(1).scaleb(-places), how, _WIDE) == rounded
        for places in range(has, had)
        for how in (ROUND_HALF_UP, ROUND_HALF_EVEN, ROUND_DOWN)
    )


def _decimals(number: Decimal) -> int:
    """Digits behind the point that are needed."""
    exponent = number.normalize(_WIDE).as_tuple().exponent
    return max(0, -exponent) if isinstance(exponent, int) else 0

"""What the text of a value may look like for each kind of type, and which values are in range.

Sources: PostgreSQL documentation, "Data Types" and "Date/Time Output"; MariaDB Knowledge Base, "Data Types".
"""

from __future__ import annotations

import ipaddress
import json
import re
from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from sospes.rows.typed.cells import Bytes, Mask, Offsets

Limits = Callable[[Bytes, bytes], Mask | None]
"""Given cells of one shape, (length, rows), and that shape: which are in range; None if all are."""

MOST_SHAPES = 12
"""Shapes of one length that are looked for at once; cells of further shapes are looked at one by one."""


def _table(digits: bytes) -> Bytes:
    """What maps a byte to its place in a shape: `digits` to zero, all else to itself."""
    table = np.arange(256, dtype=np.uint8)
    table[list(digits)] = 48
    return table


DECIMAL_DIGITS = _table(b"0123456789")
HEX_DIGITS = _table(b"0123456789abcdefABCDEF")
TWO_DIGITS = _table(b"01")


@dataclass(frozen=True, slots=True)
class Kind:
    """How values of a type are checked.

    pattern  what a value has to match; must also match its shape, in which digits are zeros
    digits   which bytes count as digits of a shape; None where shapes say nothing
    limits   which of several values of one shape are in range
    slow     the check of one value where no shape says enough
    quick    which of several values of one length are right for certain; the others are looked at one by one
    """

    pattern: re.Pattern[bytes]
    digits: Bytes | None = None
    limits: Limits | None = None
    slow: Callable[[bytes], bool] | None = None
    quick: Callable[[Bytes], Mask] | None = None

    def valid(self, cell: bytes) -> bool:
        """Whether one value is right."""
        if self.pattern.fullmatch(cell) is None:
            return False
        if self.limits is not None and self.digits is not None and cell:
            matrix = np.frombuffer(cell, dtype=np.uint8)[:, None]
            inside = self.limits(matrix, self.digits[matrix].tobytes())
            if inside is not None and not inside[0]:
                return False
        return self.slow is None or self.slow(cell)

    def valid_all(self, matrix: Bytes) -> Mask:
        """Which of several values of one length are right as they stand; shape (length, rows)."""
        if self.quick is not None:
            return self.quick(matrix)
        if self.digits is None or not len(matrix):
            return np.array([self.valid(column.tobytes()) for column in matrix.T], dtype=np.bool_)
        right = np.zeros(matrix.shape[1], dtype=np.bool_)
        left: Offsets | None = None
        for _ in range(MOST_SHAPES):
            part = matrix if left is None else matrix[:, left]
            shape = self.digits[part[:, 0]]
            same = self._like(part, shape)
            if self.pattern.fullmatch(shape.tobytes()):
                inside = self._inside(part, same, shape.tobytes())
                if left is None:
                    right = inside
                else:
                    right[left] = inside
            if same.all():
                return right
            left = np.flatnonzero(~same) if left is None else left[~same]
        assert left is not None  # set in the first round
        right[left] = [self.valid(matrix[:, row].tobytes()) for row in left]
        return right

    def _like(self, matrix: Bytes, shape: Bytes) -> Mask:
        """Which values have that shape."""
        assert self.digits is not None  # or there were no shapes
        decimal_digits = self.digits is DECIMAL_DIGITS
        same = np.ones(matrix.shape[1], dtype=np.bool_)
        for place, wanted in enumerate(shape.tolist()):
            if wanted != 48:
                same &= matrix[place] == wanted
            elif decimal_digits:
                same &= matrix[place] - np.uint8(48) <= 9
            else:
                same &= self.digits[matrix[place]] == 48
        return same

    def _inside(self, matrix: Bytes, same: Mask, shape: bytes) -> Mask:
        """Which values have the shape and are in range."""
        if self.limits is None:
            return same
        if same.all():
            inside = self.limits(matrix, shape)
            return same if inside is None else inside
        inside = self.limits(matrix[:, same], shape)
        if inside is None:
            return same
        result = same.copy()
        result[same] = inside
        return result


def integer(lowest: int, highest: int) -> Kind:
    """Whole numbers from `lowest` to `highest`."""

    def limits(matrix: Bytes, shape: bytes) -> Mask | None:
        if len(shape.lstrip(b"+-")) < len(str(highest)):
            return None
        numbers = [int(column.tobytes()) for column in matrix.T]
        return np.array([lowest <= number <= highest for number in numbers], dtype=np.bool_)

    return Kind(re.compile(rb"[-+]?\d+" if lowest < 0 else rb"\d+"), DECIMAL_DIGITS, limits)


def decimal(precision: int | None, scale: int) -> Kind:
    """Exact numbers with at most `precision` digits, `scale` of them behind the point."""

    def limits(matrix: Bytes, shape: bytes) -> Mask | None:
        if precision is None or not shape.lstrip(b"-+").startswith(b"0"):
            return None
        whole = shape.lstrip(b"-+").split(b".")[0]
        if len(whole) <= max(precision - scale, 1):
            return None
        sign = len(shape) - len(shape.lstrip(b"-+"))
        zeros = matrix[sign : sign + len(whole) - max(precision - scale, 0)] == 48
        return np.asarray(zeros.all(axis=0))

    return Kind(re.compile(rb"[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?|NaN|-?Infinity"), DECIMAL_DIGITS, limits)


FLOAT = Kind(re.compile(rb"[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?|NaN|-?Infinity"), DECIMAL_DIGITS)

_DAYS = np.array([31, 31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] + [0] * 90)
_FURTHEST_ZONE = 15
"""Hours that a place may be apart from UTC, as the server has it."""
_DATE = rb"\d{4,7}-\d\d-\d\d"
_TIME = rb"\d\d:\d\d:\d\d(?:\.\d{1,6})?"
_ZONE = rb"[-+](?:0\d|1[0-5])(?::[0-5]\d(?::[0-5]\d)?)?"


def _number(matrix: Bytes, first: int, length: int) -> Offsets:
    """The number that a run of digits gives, for all cells of a matrix at once."""
    total = matrix[first].astype(np.int64) - 48
    for place in range(first + 1, first + length):
        total = total * 10 + (matrix[place].astype(np.int64) - 48)
    return np.asarray(total)


def _date_limits(zero_allowed: bool, zone: bool = False) -> Limits:
    """Whether dates are in the calendar; with `zero_allowed` MariaDB's day 0 is."""

    def limits(matrix: Bytes, shape: bytes) -> Mask | None:
        at = shape.find(b"-")
        if at < 4:
            return None
        month, day = _number(matrix, at + 1, 2), _number(matrix, at + 4, 2)
        inside = (month <= 12) & (day <= _DAYS[month])
        if not zero_allowed:
            inside &= (month >= 1) & (day >= 1)
            short = (month == 2) & (day == 29)
            if short.any():
                year = _number(matrix, 0, at)
                if shape.endswith(b"BC"):
                    year = 1 - year
                leap = (year % 4 == 0) & ((year % 100 != 0) | (year % 400 == 0))
                inside &= ~short | leap
        clock = shape.find(b" ", at)
        if zone and clock > 0:
            offset = max(shape.find(b"+", clock), shape.find(b"-", clock))
            inside &= _number(matrix, offset + 1, 2) <= _FURTHEST_ZONE if offset > 0 else inside
        return inside if clock < 0 or shape[clock + 1 : clock + 2] != b"0" else inside & _clock(matrix, clock + 1)

    return limits


def _clock(matrix: Bytes, at: int) -> Mask:
    """Whether hours, minutes and seconds are of a clock."""
    hour, minute, second = (_number(matrix, at + step, 2) for step in (0, 3, 6))
    return np.asarray(((hour <= 23) & (minute <= 59) & (second <= 60)) | ((hour == 24) & (minute + second == 0)))


def _time_limits(matrix: Bytes, shape: bytes) -> Mask | None:
    """Whether times of day are."""
    return _clock(matrix, 0) if shape.startswith(b"00:00:00") else None


def date(zero_allowed: bool = False) -> Kind:
    """Days."""
    return Kind(re.compile(_DATE + rb"(?: BC)?|-?infinity"), DECIMAL_DIGITS, _date_limits(zero_allowed))


def timestamp(zone: bool, zero_allowed: bool = False) -> Kind:
    """Points in time, with `zone` their offset from UTC as well."""
    pattern = re.compile(
        _DATE + rb"[ T]" + _TIME + (rb"(?:" + _ZONE + rb")?" if zone else b"") + rb"(?: BC)?|-?infinity"
    )
    return Kind(pattern, DECIMAL_DIGITS, _date_limits(zero_allowed, zone))


def time(zone: bool) -> Kind:
    """Times of day."""
    return Kind(re.compile(_TIME + (_ZONE if zone else b"")), DECIMAL_DIGITS, _time_limits)


SPAN = Kind(re.compile(rb"-?\d{1,3}:[0-5]?\d:[0-5]?\d(?:\.\d{1,6})?"), DECIMAL_DIGITS)
YEAR = Kind(re.compile(rb"\d{4}"), DECIMAL_DIGITS)


def _sixties(matrix: Bytes, shape: bytes) -> Mask | None:
    """Minutes and seconds below 60."""
    inside = None
    for match in re.finditer(rb":00", shape):
        below = _number(matrix, match.start() + 1, 2) <= 59
        inside = below if inside is None else inside & below
    return inside


_SPAN_PART = rb"(?:[-+]?\d+(?:\.\d+)?(?: ?[a-z]+)?|[-+]?\d+-\d+|[-+]?\d+:[0-5]?\d(?::[0-5]?\d(?:\.\d+)?)?|[a-z]+)"
INTERVAL = Kind(
    re.compile(
        rb"(?:[-+]?\d+ (?:years?|mons?|days?) ?)*(?:[-+]?\d+:[0-5]\d:[0-5]\d(?:\.\d{1,6})?)?|-?infinity"
        rb"|P[-+\d.YMWDTHS:]+|(?:@ ?)?" + _SPAN_PART + rb"(?: +" + _SPAN_PART + rb")*"
    ),
    DECIMAL_DIGITS,
    _sixties,
)


UUID = Kind(re.compile(rb"0{8}-0{4}-0{4}-0{4}-0{12}|[\da-fA-F]{8}(?:-[\da-fA-F]{4}){3}-[\da-fA-F]{12}"), HEX_DIGITS)
BOOLEAN = Kind(re.compile(rb"t|f|true|false", re.I))
BYTES_COPY = Kind(re.compile(rb"\\\\x(?:[\da-fA-F]{2})*+|(?!\\\\x)(?:[^\\]|\\\\[0-7]{3}|\\\\\\\\)*+", re.S), HEX_DIGITS)
BYTES_LITERAL = Kind(re.compile(rb"\\x(?:[\da-fA-F]{2})*+|(?!\\x)(?:[^\\]|\\[0-7]{3}|\\\\)*+", re.S), HEX_DIGITS)
HARDWARE = Kind(re.compile(rb"[\da-fA-F]{2}(?::[\da-fA-F]{2}){5}(?:(?::[\da-fA-F]{2}){2})?"), HEX_DIGITS)
WORD = Kind(re.compile(rb"[\da-fA-F]+/[\da-fA-F]+"), HEX_DIGITS)


def bits(length: int | None) -> Kind:
    """Bit strings, of exactly `length` bits if that is given."""
    count = b"*" if length is None else b"{%d}" % length
    return Kind(re.compile(rb"[01]" + count), TWO_DIGITS)


def _is_address(cell: bytes) -> bool:
    """Whether a cell is an address of a network or a host."""
    try:
        ipaddress.ip_interface(cell.decode("ascii"))
    except (ValueError, UnicodeDecodeError):
        return False
    return True


ADDRESS = Kind(re.compile(rb"[\da-fA-F:.]+(?:/\d+)?"), slow=_is_address)


def _is_json(cell: bytes) -> bool:
    """Whether a cell is JSON, without the words for numbers that JSON hasn't."""

    def refused(_text: str) -> None:
        raise ValueError

    try:
        json.loads(cell, parse_constant=refused)
    except ValueError:
        return False
    except RecursionError:
        return cell.count(b"{") == cell.count(b"}")  # deeper than can be followed here
    return True


JSON = Kind(re.compile(rb".+", re.S), slow=_is_json)


_ANY = re.compile(rb".*", re.S)


def members(words: frozenset[bytes]) -> Kind:
    """Values out of a list."""

    def quick(matrix: Bytes) -> Mask:
        length = len(matrix)
        if not length:
            return np.full(matrix.shape[1], b"" in words)
        known = [word for word in words if len(word) == length]
        found = np.ascontiguousarray(matrix.T).view(f"S{length}").ravel()
        return np.isin(found, np.array(known, dtype=f"S{length}"))

    return Kind(_ANY, slow=words.__contains__, quick=quick)


def member_sets(words: frozenset[bytes]) -> Kind:
    """Several values out of a list, with commas between them, or none."""
    return Kind(_ANY, slow=lambda cell: not cell or words.issuperset(cell.split(b",")))


def up_to(length: int, encoding: str) -> Kind:
    """Text of at most `length` characters, blanks at its end not counted."""

    def quick(matrix: Bytes) -> Mask:
        return np.full(matrix.shape[1], len(matrix) <= length)

    return Kind(_ANY, slow=lambda cell: len(cell.decode(encoding, "replace").rstrip(" ")) <= length, quick=quick)


_ARRAY_TOKEN = re.compile(rb'"(?:[^"\\]|\\.)*+"|[{},]|[^{},"\\]+(?:\\.[^{},"\\]*)*', re.S)


def array_of(element: Kind | None) -> Kind:
    """Arrays in braces; `element` checks what stands in them."""

    def whole(cell: bytes) -> bool:
        body = cell[cell.index(b"=") + 1 :] if cell.startswith(b"[") and b"=" in cell else cell
        depth, position, last = 0, 0, b","
        while position < len(body):
            match = _ARRAY_TOKEN.match(body, position)
            if match is None or (position and depth == 0):
                return False
            token, position = match[0], match.end()
            if token == b"{":
                if last not in {b",", b"{"}:
                    return False
                depth += 1
            elif token == b"}":
                if last == b"," and position > 1:
                    return False
                depth -= 1
            elif token == b",":
                if last in {b",", b"{"}:
                    return False
            elif not _element(token, last, element):
                return False
            last = token if token in {b"{", b"}", b","} else b"x"
        return depth == 0 and last == b"}"

    return Kind(re.compile(rb"(?:\[.*\]=)?\{.*\}", re.S), slow=whole)


def _element(token: bytes, last: bytes, element: Kind | None) -> bool:
    """Whether a token can be an element of an array."""
    if last not in {b",", b"{"}:
        return False
    if element is None or token.upper() == b"NULL":
        return True
    return element.valid(re.sub(rb"\\(.)", rb"\1", token[1:-1]) if token.startswith(b'"') else token)

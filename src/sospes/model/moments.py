"""Positions in a change log, and moments: times, positions, transactions, named restore points."""

from __future__ import annotations

import re
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from enum import StrEnum

from sospes.model.errors import UsageError
from sospes.model.findings import Finding, note

_POSITION = re.compile(r"([0-9A-F]{1,8})/([0-9A-F]{1,8})")
_TIME = re.compile(r"\d{4}-\d\d-\d\d(?:[T ]\d\d:\d\d(?::\d\d(?:[.,]\d{1,9})?)?)?(?:Z|[+-]\d\d(?::?\d\d)?)?", re.ASCII)
_EPOCH = datetime(2000, 1, 1, tzinfo=UTC)
_HOW = "write a time, or lsn=0/1109030, transaction=789, position=FILE:NUMBER, gtid=0-11-24, name=TEXT"


def position(offset: int) -> str:
    """A position in PostgreSQL's log, an offset in bytes, as the server writes it."""
    return f"{offset >> 32:X}/{offset & 0xFFFFFFFF:X}"


def offset_of(text: str) -> int | None:
    """The offset in bytes that a position in PostgreSQL's log names; None for what is none."""
    found = _POSITION.fullmatch(text.strip().upper())
    return (int(found[1], 16) << 32) + int(found[2], 16) if found else None


def server_time(microseconds: int) -> datetime | None:
    """A time as PostgreSQL keeps it, in microseconds since the year 2000; None where it can't be one."""
    try:
        return _EPOCH + timedelta(microseconds=microseconds)
    except OverflowError:
        return None


def iso(microseconds: int | None) -> str | None:
    """A time of the server's in ISO 8601; None for none, and for what can't be one."""
    found = server_time(microseconds) if microseconds is not None else None
    return found.isoformat() if found is not None else None


def time_of(stated: str | None) -> datetime | None:
    """A time that a backup states; one without a zone counts as this machine's, where most backups are taken.

    None for what is no time.
    """
    try:
        found = datetime.fromisoformat(stated or "")
        return found.astimezone()
    except (ValueError, OverflowError, OSError):
        return None


def server_microseconds(time: datetime) -> int:
    """A time as PostgreSQL keeps it, in microseconds since the year 2000."""
    return (time - _EPOCH) // timedelta(microseconds=1)


class MomentKind(StrEnum):
    """By what a moment is named."""

    TIME = "time"
    LSN = "lsn"
    TRANSACTION = "transaction"
    POSITION = "position"
    GTID = "gtid"
    NAME = "name"


@dataclass(frozen=True, slots=True, kw_only=True)
class Moment:
    """A moment in a change log.

    value    as it was written, without the word for its kind
    before   up to it and not including it
    time     of a time, with its zone; `zoned` says whether the zone was written, or taken to be UTC
    offset   of a position in PostgreSQL's log, in bytes
    """

    kind: MomentKind
    value: str
    before: bool
    time: datetime | None = None
    zoned: bool = True
    offset: int | None = None

    @property
    def words(self) -> str:
        """The moment as people read it."""
        return self.value if self.kind is MomentKind.TIME else f"{self.kind.value}={self.value}"


def assumed(*moments: Moment | None) -> list[Finding]:
    """What is to be said of times that name no zone."""
    return [
        note("zone-assumed", f"{moment.value} was taken to be in UTC, as it names no zone")
        for moment in moments
        if moment is not None and not moment.zoned
    ]


def read_moment(text: str, *, before: bool) -> Moment:
    """The moment that a text names. Raises UsageError for what names none."""
    word, equals, value = text.strip().partition("=")
    if not equals:
        return _time(text.strip(), before=before)
    if word not in set(MomentKind) - {MomentKind.TIME} or not value:
        raise UsageError(f"{text}: names no moment", _HOW)
    kind = MomentKind(word)
    offset = offset_of(value) if kind is MomentKind.LSN else None
    if kind is MomentKind.LSN and offset is None:
        raise UsageError(f"{text}: is no position in a log", "write it as the server does: lsn=0/1109030")
    if kind is MomentKind.TRANSACTION and not (value.isascii() and value.isdigit()):
        raise UsageError(f"{text}: a transaction is a number", "write it as the server does: transaction=789")
    return Moment(kind=kind, value=value, before=before, offset=offset)


def _time(text: str, *, before: bool) -> Moment:
    try:
        found = datetime.fromisoformat(text.replace(",", ".")) if _TIME.fullmatch(text) else None
    except ValueError:
        found = None
    if found is None:
        raise UsageError(f"{text}: names no moment", _HOW)
    zoned = found.tzinfo is not None
    when = found if zoned else found.replace(tzinfo=UTC)
    return Moment(kind=MomentKind.TIME, value=text, before=before, time=when, zoned=zoned)


@dataclass(frozen=True, slots=True, kw_only=True)
class Reached:
    """The moment that a restore by logs has reached: the newest commit's time and transaction, and a position."""

    time: str | None
    lsn: str | None
    position: str | None = None
    gtid: str | None = None
    transaction: str | None = None

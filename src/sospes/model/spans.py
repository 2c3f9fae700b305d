"""Spans of time as people write them, and how backups are wanted to be spread over time."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from datetime import date, datetime, timedelta

_SPAN = re.compile(r"(\d+(?:\.\d+)?)\s*(s|m|min|h|d|w|y)")
_UNITS = {
    "s": timedelta(seconds=1), "m": timedelta(minutes=1), "min": timedelta(minutes=1), "h": timedelta(hours=1),
    "d": timedelta(days=1), "w": timedelta(weeks=1), "y": timedelta(days=365),
}  # fmt: skip
SPAN_WORDS = "a span like 90s, 20m, 26h, 7d or 5w"
SPREAD_WORDS = "a spread like 7d,4w,12m,3y: days, weeks, months, years"


def span_of(text: str) -> timedelta:
    """A span of time: a number, and s, m for minutes, h, d, w, or y for years of 365 days. Raises ValueError."""
    found = _SPAN.fullmatch(text.strip())
    if found is None:
        raise ValueError(f"{text!r} is not {SPAN_WORDS}")
    try:
        return float(found[1]) * _UNITS[found[2]]
    except OverflowError as error:
        raise ValueError(f"{text!r} is longer than any record goes back") from error


@dataclass(frozen=True, slots=True)
class Wanted:
    """One of the last periods of a kind that should have a backup. `name` is its date as people write it."""

    kind: str
    name: str
    there: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Spread:
    """One backup is wanted for each of the last so many days, weeks, months and years."""

    days: int = 0
    weeks: int = 0
    months: int = 0
    years: int = 0

    def held_against(self, moments: Iterable[datetime], now: datetime) -> Iterator[Wanted]:
        """Each wanted period, newest first, and whether there is a backup of it.

        The period that is not over yet counts only once there is one of it: at noon nobody knows yet of tonight's.
        """
        dates = [moment.astimezone(now.tzinfo).date() for moment in moments]
        for kind, count, key in (
            ("days", self.days, _day), ("weeks", self.weeks, _week), ("months", self.months, _month),
            ("years", self.years, _year),
        ):  # fmt: skip
            there = {key(day) for day in dates}
            first = now.date() if key(now.date()) in there else key(now.date()) - timedelta(days=1)
            period = key(first)
            for _ in range(count):
                yield Wanted(kind, _NAMES[kind](period), period in there)
                period = key(period - timedelta(days=1))


def spread_of(text: str) -> Spread:
    """A spread as 7d,4w,12m,3y; each part may be left out. Raises ValueError."""
    counts = {"d": 0, "w": 0, "m": 0, "y": 0}
    for part in text.split(","):
        found = re.fullmatch(r"\s*(\d{1,4})\s*([dwmy])\s*", part)
        if found is None or counts[found[2]]:
            raise ValueError(f"{text!r} is not {SPREAD_WORDS}")
        counts[found[2]] = int(found[1])
    return Spread(days=counts["d"], weeks=counts["w"], months=counts["m"], years=counts["y"])


def _day(day: date) -> date:
    return day


def _week(day: date) -> date:
    return day - timedelta(days=day.weekday())


def _month(day: date) -> date:
    return day.replace(day=1)


def _year(day: date) -> date:
    return day.replace(month=1, day=1)


_NAMES: dict[str, Callable[[date], str]] = {
    "days": date.isoformat,
    "weeks": lambda day: f"week of {day.isoformat()}",
    "months": lambda day: day.strftime("%Y-%m"),
    "years": lambda day: day.strftime("%Y"),
}

"""Spans of time, spreads over time, and whose backup it is."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from pathlib import Path

import pytest

from sospes.model.lineage import Lineages, Origin, folder_of
from sospes.model.spans import Spread, span_of, spread_of

NOW = datetime(2026, 12, 1, 4, 0, tzinfo=UTC)  # a Tuesday


@pytest.mark.parametrize(
    ("text", "hours"),
    [("90s", 0.025), ("20m", 1 / 3), ("26h", 26), ("7d", 168), ("1.5d", 36), ("5w", 840), ("3y", 26280)],
)
def test_spans(text: str, hours: float) -> None:
    assert span_of(text) == timedelta(hours=hours)


@pytest.mark.parametrize("text", ["", "7", "d", "-1d", "7 days", "1e9d", "99999999999999999d"])
def test_no_spans(text: str) -> None:
    with pytest.raises(ValueError, match=r"is not a span|longer than any"):
        span_of(text)


def test_spreads() -> None:
    assert spread_of("7d,4w, 12m,3y") == Spread(days=7, weeks=4, months=12, years=3)
    for text in ("", "7", "7d,7d", "7h"):
        with pytest.raises(ValueError, match="is not a spread"):
            spread_of(text)


def _missing(spread: str, *days: str) -> list[str]:
    moments = [datetime.fromisoformat(f"{day}T03:00:00+00:00") for day in days]
    return [item.name for item in spread_of(spread).held_against(moments, NOW) if not item.there]


def test_days() -> None:
    assert _missing("3d", "2026-12-01", "2026-11-30", "2026-11-29") == []
    assert _missing("3d", "2026-12-01", "2026-11-29") == ["2026-11-30"]
    assert _missing("3d", "2026-11-30", "2026-11-29", "2026-11-28") == []  # today's may still come
    assert _missing("3d") == ["2026-11-30", "2026-11-29", "2026-11-28"]


def test_weeks_months_and_years() -> None:
    assert _missing("2w", "2026-11-30", "2026-11-24") == []
    assert _missing("2w", "2026-12-01") == ["week of 2026-11-23"]
    assert _missing("2w", "2026-11-24", "2026-11-16") == []  # this week's may still come
    assert _missing("3m", "2026-12-01", "2026-10-07") == ["2026-11"]
    assert _missing("3m", "2026-11-30", "2026-10-07") == ["2026-09"]
    assert _missing("2y", "2026-01-01") == ["2025"]


def test_a_backup_late_in_the_evening_is_of_that_day_where_the_survey_is_made() -> None:
    there = datetime.fromisoformat("2026-11-30T23:30:00+00:00")
    east = NOW.astimezone(datetime.fromisoformat("2026-12-01T14:00:00+10:00").tzinfo)
    assert [item.there for item in spread_of("1d").held_against([there], east)] == [True]
    assert [item.name for item in spread_of("1d").held_against([there], east)] == ["2026-12-01"]


def test_folders_without_what_changes() -> None:
    assert folder_of(Path("/srv/harbour/2026-11-30/full.sql")) == "/srv/harbour/*"
    assert folder_of(Path("/srv/harbour/daily/full.sql")) == "/srv/harbour/*"
    assert folder_of(Path("/srv/harbour2/full.sql")) == "/srv/harbour2"


def _origin(*databases: str, tables: str = "", server: str | None = None, folder: str = "") -> Origin:
    return Origin(
        engine="mariadb", databases=databases, tables=frozenset(tables.split()), server=server, folder=folder
    )  # fmt: skip


def test_lineages_by_name() -> None:
    known = Lineages()
    assert known.of(_origin("harbour", server="db1")) == "mariadb harbour at db1"
    assert known.of(_origin("harbour", server="db2")) == "mariadb harbour at db2"
    assert known.of(_origin("harbour", server="localhost")) == "mariadb harbour"
    assert known.of(_origin("harbour", "pier")) == "mariadb harbour"
    assert known.of(Origin(engine="mariadb", whole=True)) == "mariadb whole server"
    assert known.of(Origin(engine="postgresql", system="77", databases=("a",))) == "postgresql system 77"


def test_two_databases_of_one_name_are_told_apart_by_their_tables() -> None:
    known = Lineages()
    first = known.of(_origin("harbour", tables="boat crew call_out station"))
    second = known.of(_origin("harbour", tables="exhibit visitor ticket shop"))
    assert first != second
    assert known.of(_origin("harbour", tables="boat crew call_out station kit")) == first
    assert known.of(_origin("harbour", tables="exhibit visitor ticket shop garden")) == second
    assert known.of(_origin("harbour", tables="boat")) in {first, second}  # too little to go by


def test_unnamed_ones_by_folder_and_tables() -> None:
    known = Lineages()
    live = known.of(_origin(tables="boat crew call_out", folder="/srv/live"))
    assert live == "mariadb in /srv/live"
    assert known.of(_origin(tables="boat crew kit", folder="/srv/live")) == live
    assert known.of(_origin(tables="exhibit ticket", folder="/srv/live")) == "mariadb in /srv/live with exhibit, ticket"
    assert known.of(_origin(tables="boat crew call_out", folder="/srv/try")) == "mariadb in /srv/try"
    assert known.of(_origin(folder="/srv/live")) == "mariadb in /srv/live without a name"
    assert known.of(Origin(engine=None)) == "unknown engine without a name"

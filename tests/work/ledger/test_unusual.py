"""What is unusual beside the nights before, and what is not."""

from __future__ import annotations

import random
from dataclasses import replace
from pathlib import Path

import pytest

from sospes.work.ledger.proof import Proof
from sospes.work.ledger.unusual import FEWEST_NIGHTS, unusual, unusual_step
from tests.backups import numbers, postgresql
from tests.conftest import sospes
from tests.nights import night, verified_nights, written
from tests.work.ledger.test_ledger import PROOF


def codes_of(findings: list[dict[str, str]]) -> list[str]:
    """The codes that tell of something unusual."""
    return [found["code"] for found in findings if found["code"].startswith("unusual-")]


def test_a_database_that_lost_half_a_table_does_not_pass_unnoticed(tmp_path: Path) -> None:
    runs = verified_nights(tmp_path, [1000, 1010, 1020, 1030, 1040, 1050, 525])

    assert all(codes_of(run.document["findings"]) == [] for run in runs[:-1])
    last = runs[-1].document
    assert (last["verdict"], runs[-1].code) == ("sound", 0)
    [found] = [item for item in last["findings"] if item["code"] == "unusual-rows"]
    assert found["severity"] == "note"
    assert "rescue.call_out has 525 rows, 1,050 the night before" in found["message"]
    assert "6 nights before" in found["message"]


def test_it_is_told_even_where_only_what_is_wrong_is_wanted(tmp_path: Path) -> None:
    verified_nights(tmp_path, [1000, 1010, 1020, 1030, 1040, 1050])
    tonight = written(tmp_path, "night-99.sql", night(100), 0)

    said = sospes("verify", tonight, "--quiet").out

    assert "fewer rows than usual" in said


def test_rehearse_says_it_as_well(tmp_path: Path) -> None:
    runs = verified_nights(tmp_path, [500, 510, 520, 530, 540, 550, 100], command="rehearse")
    assert codes_of(runs[-1].document["findings"]) == ["unusual-rows"]


def test_the_ledger_lists_it(tmp_path: Path) -> None:
    verified_nights(tmp_path, [500, 510, 520, 530, 540, 550, 100])
    [found] = sospes("ledger", "--json").document["result"]["unusual"]
    assert (found["lineage"], found["code"]) == (f"postgresql in {tmp_path}", "unusual-rows")


def test_a_table_that_is_gone(tmp_path: Path) -> None:
    verified_nights(tmp_path, [200, 201, 202, 203, 204, 205])
    tonight = written(tmp_path, "night-99.sql", postgresql(numbers("rescue.boat", 24)), 0)

    run = sospes("verify", tonight, "--json")

    assert "tables that are gone: rescue.call_out" in " ".join(item["message"] for item in run.document["findings"])


def test_a_backup_that_shrank(tmp_path: Path) -> None:
    wide = [postgresql(numbers("rescue.call_out", 4000 + number * 10)) for number in range(7)]
    for number, content in enumerate(wide):
        sospes("verify", written(tmp_path, f"night-{number}.sql", content, 9 - number))
    small = written(tmp_path, "night-9.sql", postgresql(numbers("rescue.call_out", 30)), 0)

    assert codes_of(sospes("verify", small, "--json").document["findings"]) == ["unusual-rows", "unusual-size"]


def test_nights_that_were_unsound_count_for_nothing(tmp_path: Path) -> None:
    for number in range(6):
        cut = night(1000)[: -400 - number]
        sospes("verify", written(tmp_path, f"night-{number}.sql", cut, 9 - number))
    tonight = written(tmp_path, "night-9.sql", night(100), 0)
    assert codes_of(sospes("verify", tonight, "--json").document["findings"]) == []


def test_an_old_backup_is_held_against_the_nights_before_it(tmp_path: Path) -> None:
    """Looked at once more, it is no fall from what came after it."""
    verified_nights(tmp_path, [100, 200, 300, 400, 500, 600, 700, 800])
    again = sospes("verify", tmp_path / "night-00.sql", "--json")
    assert codes_of(again.document["findings"]) == []


def _took(day: int, seconds: float, side: str = "private") -> Proof:
    dated = f"2026-11-{day:02}T03:00:00+00:00"
    return replace(PROOF, digest=f"d{day}", dated_at=dated, at=dated, command="rehearse", side=side, seconds=seconds)


def test_a_restore_that_took_far_longer() -> None:
    before = [_took(day, 100.0 + day) for day in range(1, 9)]
    assert [item.code for item in unusual(_took(9, 400.0), before)] == ["unusual-duration"]
    assert unusual(_took(9, 115.0), before) == unusual(_took(9, 20.0), before) == []
    assert unusual(_took(9, 400.0, side="embedded"), before) == [], "another side takes another time"


@pytest.mark.parametrize(
    ("before", "now"),
    [
        pytest.param([1000] * FEWEST_NIGHTS, 1000, id="steady"),
        pytest.param([100 * 1.02**day for day in range(40)], 100 * 1.02**40, id="growing"),
        pytest.param(
            [700, 800, 900, 1000, 100, 200, 300, 400, 500, 600, 700, 800, 900, 1000], 100, id="emptied-weekly"
        ),
        pytest.param([0, 400, 3, 250, 900, 12, 80, 500], 4, id="a-queue"),
        pytest.param([5, 5, 5, 5, 5, 5], 8, id="a-few-rows-more"),
        pytest.param([1000] * (FEWEST_NIGHTS - 1), 10, id="too-few-nights"),
        pytest.param([1000, 1100, 1050, 1000, 1080, 1020], 1130, id="up-and-down"),
    ],
)
def test_what_is_as_it_was(before: list[float], now: float) -> None:
    assert unusual_step(before, now, 10) is None


@pytest.mark.parametrize(
    ("before", "now"),
    [
        pytest.param([1000] * FEWEST_NIGHTS, 500, id="half-of-a-steady-one"),
        pytest.param([100 * 1.1**day for day in range(20)], 100 * 1.1**19 / 2, id="half-of-a-growing-one"),
        pytest.param([1000] * 8, 0, id="empty"),
        pytest.param([3] * 8, 0, id="a-small-one-empty"),
        pytest.param([1000] * 8, 5000, id="five-times"),
        pytest.param([900, 1000, 950, 1000, 920, 1000, 980], 450, id="half-of-an-uneven-one"),
    ],
)
def test_what_is_not(before: list[float], now: float) -> None:
    step = unusual_step(before, now, 10)
    assert step is not None and step.nights == len(before)
    assert step.fell == (now < before[-1])


def test_chance_alone_is_hardly_ever_unusual() -> None:
    lots = random.Random(14)
    told = 0
    for _ in range(300):
        level = [1000.0]
        for _ in range(31):
            level.append(level[-1] * lots.gauss(1.003, 0.02))
        told += unusual_step(level[:-1], level[-1], 10) is not None
    assert told <= 2

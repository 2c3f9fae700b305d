"""Drills: every target in turn, each with its own verdict and reason, whatever becomes of the others."""

from __future__ import annotations

import json
import signal
import subprocess
import sys
import time
from pathlib import Path
from typing import Any

import psutil
import pytest

from sospes.model.errors import CannotCheck
from sospes.work.drill.checks import checked
from sospes.work.drill.running import Runner
from sospes.work.look import heads
from tests.backups import mysql, numbers, postgresql
from tests.conftest import DUMPS, Run, left_on, sospes
from tests.nights import dated, night, verified_nights, written
from tests.servers import MariadbServer, PostgresServer
from tests.work.drill.test_plan import plan_file

PROGRAM = [sys.executable, "-m", "sospes"]


def drilled(folder: Path, text: str, *words: str | Path) -> Run:
    """A drill of that file."""
    return sospes("drill", plan_file(folder, text), "--json", *words)


def target(run: Run, name: str) -> dict[str, Any]:
    """What became of a target."""
    [found] = [item for item in run.document["result"]["targets"] if item["name"] == name]
    return dict(found)


def codes(found: dict[str, Any], severity: str = "") -> list[str]:
    """The codes of a target's findings; without notes unless they are asked for."""
    return [
        item["code"]
        for item in found["findings"]
        if item["severity"] == severity or (not severity and item["severity"] != "note")
    ]


def one(name: str, places: str, *more: str) -> str:
    """A table of one target."""
    return f'[[target]]\nname = "{name}"\nplaces = ["{places}"]\n' + "\n".join(more) + "\n"


def named(database: str, rows: int = 1) -> bytes:
    """A dump that names its database."""
    values = ",".join(f"({number})" for number in range(1, rows + 1))
    body = f"CREATE TABLE `boat` (`id` int NOT NULL, PRIMARY KEY (`id`)) ENGINE=InnoDB;\nINSERT INTO `boat` VALUES {values};\n"
    return mysql(body.encode()).replace(b"Database: harbour", f"Database: {database}".encode())


def test_all_targets_run_and_each_has_its_own_reason(tmp_path: Path) -> None:
    written(tmp_path / "good", "night.sql", night(40), 0.1)
    written(tmp_path / "cut", "night.sql", night(40)[:-90], 0.1)
    written(tmp_path / "old", "night.sql", night(40), 9)
    (tmp_path / "none").mkdir()
    text = (
        one("good", "good", 'rung = "loaded"') + one("cut", "cut") + one("old", "old", 'newest-within = "26h"')
        + one("none", "none") + one("gone", "gone")
    )  # fmt: skip

    run = drilled(tmp_path, text)

    assert run.code == 1
    found = {
        item["name"]: (item["verdict"], item["rung"], item["reason"]) for item in run.document["result"]["targets"]
    }
    assert found["good"] == ("sound", "loaded", "proven loaded")
    assert found["cut"][:2] == ("unsound", "identified") and "ends" in found["cut"][2]
    assert (
        found["old"][:2] == ("unsound", "intact")
        and found["old"][2]
        == "the newest backup is 9 days old, by the file's time, as it doesn't say; wanted is one within 26 hours"
    )
    assert codes(target(run, "old")) == ["backup-too-old"]
    assert codes(target(run, "none")) == ["no-backup"] and codes(target(run, "gone")) == ["no-backup", "place-missing"]
    assert [item["verdict"] for item in run.document["result"]["targets"]][-1] == "sound", (
        "what needs a hand comes first"
    )


def test_all_well(tmp_path: Path) -> None:
    written(tmp_path / "good", "night.sql", night(40), 0.1)
    run = drilled(tmp_path, one("good", "good", 'newest-within = "26h"', 'rung = "loaded"', 'reach-back = "1h"'))

    assert (run.code, run.document["verdict"], run.document["rung"]) == (0, "sound", "loaded")
    step = target(run, "good")["steps"][0]
    assert step["words"][:2] == ["rehearse", str(tmp_path / "good" / "night.sql")]
    assert sospes("ledger", tmp_path / "good" / "night.sql").code == 0


def test_the_newest_is_taken_even_if_it_is_broken(tmp_path: Path) -> None:
    written(tmp_path / "a", "night-1.sql", night(40), 2)
    written(tmp_path / "a", "night-2.sql", night(40)[:-90], 1)
    run = drilled(tmp_path, one("a", "a"))
    assert target(run, "a")["backup"].endswith("night-2.sql") and run.code == 1


@pytest.mark.parametrize(
    ("line", "code", "verdict"),
    [
        pytest.param('reach-back = "35d"', "reach-too-short", "unsound", id="reach"),
        pytest.param('logs-within = "20m"', "logs-too-old", "unsound", id="logs"),
        pytest.param('spread = "5d"', "backup-missing", "unproven", id="spread"),
        pytest.param('server = "db9"', "foreign-backup", "unsound", id="another-server"),
        pytest.param('database = "pier"', "no-backup", "unsound", id="another-database"),
        pytest.param('engine = "sqlite"', "no-backup", "unsound", id="another-engine"),
        pytest.param('rung = "loaded"\nmax-space = "1KB"', "more-space-than-allowed", "unproven", id="space"),
    ],
)
def test_what_is_asked_of_the_backups_before_any_is_read(tmp_path: Path, line: str, code: str, verdict: str) -> None:
    written(tmp_path / "a", "one.sql", named("harbour").replace(b"Host: localhost", b"Host: db1"), 1)

    run = drilled(tmp_path, one("a", "a", line))

    assert code in codes(target(run, "a")) and target(run, "a")["verdict"] == verdict


def test_what_is_only_told(tmp_path: Path) -> None:
    written(tmp_path / "a", "one.sql", night(20), 200)
    written(tmp_path / "a", "two.sql", night(21), 1)

    run = drilled(tmp_path, one("a", "a", 'keep-for = "90d"', 'system = "77"'))

    assert run.code == 0 and codes(target(run, "a"), "note") == ["origin-unstated", "kept-longer"]
    assert (tmp_path / "a" / "one.sql").exists()


def test_a_backup_from_the_future(tmp_path: Path) -> None:
    written(tmp_path / "a", "one.sql", night(20), -2)
    assert codes(target(drilled(tmp_path, one("a", "a", 'newest-within = "26h"')), "a")) == ["backup-from-the-future"]


@pytest.mark.parametrize("each", ["", "each = true"])
def test_an_empty_file_of_tonight_is_told(tmp_path: Path, each: str) -> None:
    """The job has written something: last night's is taken for the newest, and that is not all there is to say."""
    written(tmp_path / "a", "night-1.sql", named("harbour", 30), 1)
    written(tmp_path / "a", "pier-1.sql", named("pier", 30), 1) if each else None
    written(tmp_path / "a", "night-2.sql", b"", 0.1)

    run = drilled(tmp_path, one("a", "a", each))

    found = target(run, "a: mysql harbour" if each else "a")
    assert (run.code, codes(found)) == (1, ["backup-unlike-others"]) and "the file is empty" in found["reason"]
    assert sum("backup-unlike-others" in codes(item) for item in run.document["result"]["targets"]) == 1


def test_what_may_not_be_read_may_be_what_is_missing(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """The wrong user runs it: that is no fault of the backups."""
    written(tmp_path / "a", "night-1.sql", night(30), 9)
    written(tmp_path / "a", "night-2.sql", night(31), 1)
    (tmp_path / "a" / "night-2.sql").chmod(0)
    before = heads.open_head

    def opened(paths: Any, opening: Any) -> Any:
        if not paths[0].stat().st_mode & 0o400:  # root may read everything
            raise CannotCheck(f"{paths[0]}: reading it is not allowed", "run this as a user who may read the file")
        return before(paths, opening)

    monkeypatch.setattr("sospes.work.survey.heads.open_head", opened)

    run = drilled(tmp_path, one("a", "a", 'newest-within = "26h"', 'reach-back = "30d"') + one("b", "a/night-2.sql"))

    assert run.code == 3
    assert codes(target(run, "a")) == ["file-unreadable", "backup-too-old", "reach-too-short"]
    assert sorted(codes(target(run, "b"))) == ["file-unreadable", "no-backup"]
    (tmp_path / "a" / "night-2.sql").chmod(0o600)
    assert target(drilled(tmp_path, one("a", "a")), "a")["backup"].endswith("night-2.sql")


def test_a_place_with_nothing_but_an_empty_file(tmp_path: Path) -> None:
    written(tmp_path / "a", "night.sql", b"", 0.1)
    run = drilled(tmp_path, one("a", "a"))
    assert codes(target(run, "a")) == ["no-backup"] and "night.sql: the file is empty" in target(run, "a")["reason"]


def test_definitions_alone_are_no_backup_of_a_database(tmp_path: Path) -> None:
    """A job writes both every night, the definitions last: what counts is the other one."""
    body = b"CREATE TABLE `boat` (`id` int NOT NULL, PRIMARY KEY (`id`)) ENGINE=InnoDB;\n"
    definitions = mysql(body)
    written(tmp_path / "a", "full.sql", named("harbour", 30), 2)
    written(tmp_path / "a", "schema.sql", definitions.replace(b"on 2026-11-22", b"on 2026-11-23"), 1)
    text = one("a", "a", 'rung = "loaded"')

    run = drilled(tmp_path, text)
    found = target(run, "a")
    assert (run.code, found["backup"], found["rung"]) == (0, str(tmp_path / "a" / "full.sql"), "loaded")
    assert codes(found, "note")[:1] == ["part-passed-over"]

    (tmp_path / "a" / "full.sql").unlink()
    alone = drilled(tmp_path, text)
    assert (alone.code, codes(target(alone, "a"))) == (3, ["no-full-backup"])


def test_what_cannot_be_restored_here_is_read_all_the_same(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", night(40), 1)
    (tmp_path / "nothing").mkdir()

    run = drilled(tmp_path, one("a", "a", 'rung = "consistent"', 'server-bin = "nothing"'))

    found = target(run, "a")
    assert (run.code, found["rung"]) == (3, "intact")
    assert [step["command"] for step in found["steps"]] == ["rehearse", "verify"]
    assert "no PostgreSQL server" in found["reason"]


def test_nothing_in_the_current_folder_is_taken_for_a_module(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    written(tmp_path, "a.sql", night(40), 1)
    for name in ("sospes", "json", "argparse", "numpy", "xxhash"):
        (tmp_path / f"{name}.py").write_text("import os; open('canary', 'w').close()\n")
    path = plan_file(tmp_path, one("a", "a.sql", 'rung = "loaded"', 'compare-with = "a.sql"'))
    monkeypatch.chdir(tmp_path)
    program = Path(sys.executable).with_name("sospes")

    done = subprocess.run([program, "drill", path, "--quiet"], capture_output=True, timeout=120, check=False)
    surveyed = sospes("survey", tmp_path)

    assert done.returncode == 0, done.stderr
    assert surveyed.code == 0 and not (tmp_path / "canary").exists()


def test_what_a_killed_drill_leaves_running_keeps_the_next_one_waiting(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", postgresql(numbers("public.tide", 600_000)), 1)
    (tmp_path / "work").mkdir()
    path = plan_file(tmp_path, one("a", "a", 'rung = "loaded"'))
    words = [*PROGRAM, "drill", str(path), "--work-folder", str(tmp_path / "work"), "--quiet"]
    with subprocess.Popen(words, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL) as process:
        _until(lambda: any((tmp_path / "work").iterdir()))
        [child] = psutil.Process(process.pid).children()
        process.kill()
        process.wait()

        second = sospes("drill", path)
        child.terminate()
        child.wait(30)

    assert second.code == 3 and "a drill of this file is running" in second.err
    assert sospes("drill", path, "--dry-run").code == 0


def test_several_databases_need_a_name(tmp_path: Path) -> None:
    for name in ("harbour", "pier"):
        written(tmp_path / "a", f"{name}.sql", named(name), 1)

    assert codes(target(drilled(tmp_path, one("a", "a")), "a")) == ["target-ambiguous"]
    run = drilled(tmp_path, one("a", "a", 'database = "pier"'))
    assert target(run, "a")["backup"].endswith("pier.sql") and run.code == 0


def test_every_database_that_is_found(tmp_path: Path) -> None:
    for name in ("harbour", "pier", "mysql", "try1"):
        written(tmp_path / "a" / name, "full.sql.gz", named(name), 1)
    text = one("all", "a", "each = true", 'leave-out = ["try*"]')

    first = drilled(tmp_path, text)
    names = [item["name"] for item in first.document["result"]["targets"]]
    assert sorted(names) == ["all: mysql harbour", "all: mysql pier"] and first.code == 0

    written(tmp_path / "a" / "quayside", "full.sql.gz", named("quayside"), 1)
    (tmp_path / "a" / "pier" / "full.sql.gz").unlink()
    second = drilled(tmp_path, text)

    assert codes(target(second, "all: mysql quayside"), "note") == ["database-new"]
    assert codes(target(second, "all: mysql pier")) == ["database-gone"] and second.code == 3
    assert drilled(tmp_path, text.replace('"try*"', '"try*", "*pier"')).code == 0


def test_a_sample_takes_its_turn(tmp_path: Path) -> None:
    names = [f"db{number}" for number in range(5)]
    for name in names:
        written(tmp_path / "a", f"{name}.sql", named(name), 1)
    text = one("all", "a", "each = true", "sample = 2")
    looked: list[set[str]] = []

    for _ in range(3):
        found = drilled(tmp_path, text).document["result"]["targets"]
        looked.append({item["name"] for item in found if not item["skipped"]})

    assert [len(names) for names in looked] == [2, 2, 2]
    assert set.union(*looked) == {f"all: mysql {name}" for name in names}, "all have had their turn"


def test_only_some(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    text = one("harbour", "a") + one("pier", "a") + one("pier two", "a")

    assert len(drilled(tmp_path, text, "--only", "pier*").document["result"]["targets"]) == 2
    wrong = sospes("drill", plan_file(tmp_path, text), "--only", "lighthouse")
    assert wrong.code == 2 and "there are: harbour, pier, pier two" in wrong.err


def test_only_what_is_due(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    written(tmp_path / "b", "b.sql", night(20)[:-90], 1)
    text = one("a", "a", 'rung = "loaded"') + one("b", "b")
    drilled(tmp_path, text)

    again = drilled(tmp_path, text, "--due", "7d")

    assert target(again, "a")["skipped"].startswith("proven loaded on ") and not target(again, "a")["steps"]
    assert target(again, "b")["steps"], "what was not proven is due at once"
    higher = drilled(tmp_path, text.replace('"loaded"', '"consistent"'), "--due", "7d", "--dry-run")
    assert target(higher, "a")["steps"], "a lower rung is no proof of a higher one"


def test_a_dry_run_says_what_would_be_done(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", night(2000), 1)
    text = one("a", "a", 'rung = "loaded"')
    drilled(tmp_path, text)
    before = sospes("ledger", "--json").document["result"]["total"]

    run = drilled(tmp_path, text, "--dry-run", "--html", tmp_path / "x.html")

    found = target(run, "a")
    assert [step["command"] for step in found["steps"]] == ["rehearse"]
    assert found["expected_seconds"] > 0 and found["expected_bytes"] > 100_000
    assert sospes("ledger", "--json").document["result"]["total"] == before
    assert not (tmp_path / "x.html").exists()
    assert "sospes rehearse" in sospes("drill", tmp_path / "night.toml", "--dry-run").out


def test_figures_and_the_last_proven_backup(tmp_path: Path) -> None:
    written(tmp_path / "a", "one.sql", night(40), 2)
    (tmp_path / "figures.toml").write_text('[[figure]]\ntable = "rescue.call_out"\nrows = 40\n')
    lines = ['rung = "matched"', 'side = "embedded"', 'figures = "figures.toml"', 'compare-with = "last-proven"']
    text = one("a", "a", *lines)
    first = drilled(tmp_path, text)
    assert (first.code, codes(target(first, "a")), target(first, "a")["rung"]) == (3, ["rung-not-reached"], "loaded")
    assert target(first, "a")["not_proven"] == ["restored", "consistent"]
    written(tmp_path / "a", "two.sql", night(41), 1)
    second = drilled(tmp_path, text)

    found = target(second, "a")
    assert codes(found) == ["figure-differs"]
    assert "changed-since-last" in codes(found, "note") and "since one.sql" in json.dumps(found)


def test_unusual_rows_stand_at_the_top(tmp_path: Path) -> None:
    verified_nights(tmp_path / "a", [300, 301, 302, 303, 304, 305])
    written(tmp_path / "a", "night-99.sql", night(100), 0.1)
    text = one("a", "a")

    noted = drilled(tmp_path, text)
    doubted = drilled(tmp_path, text + 'unusual = "doubt"\n')
    said = sospes("drill", tmp_path / "night.toml").out

    assert (noted.code, noted.document["verdict"]) == (0, "sound")
    [(name, message)] = noted.document["result"]["look_at"]
    assert name == "a" and "rescue.call_out has 100 rows" in message
    assert (doubted.code, codes(target(doubted, "a"))) == (3, ["unusual-rows"])
    assert said.splitlines()[0].startswith("UNPROVEN")


def test_two_drills_of_one_file_never_overlap(tmp_path: Path, state: Path) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    path = plan_file(tmp_path, '[drill]\npause = "60s"\n' + one("a", "a") + one("b", "a"))
    with subprocess.Popen([*PROGRAM, "drill", str(path), "--quiet"], stdout=subprocess.DEVNULL) as first:
        locks = (state / "sospes").glob
        _until(lambda: str(first.pid) in [lock.read_text() for lock in locks("drill-*.lock")])

        second = sospes("drill", path)

        assert second.code == 3 and f"is running, process {first.pid}" in second.err
        first.send_signal(signal.SIGKILL)
        first.wait()
    _until(lambda: sospes("drill", path, "--dry-run").code == 0)  # once what it began has ended


def _until(there: Any) -> None:
    for _ in range(200):
        if there():
            return
        time.sleep(0.1)
    pytest.fail("it has not come to that")


def test_time_that_runs_out_ends_it_in_good_order(tmp_path: Path) -> None:
    for number in range(4):
        written(tmp_path / str(number), "a.sql", night(20), 1)
    text = "".join(one(f"t{number}", str(number)) for number in range(4)) + '[drill]\npause = "30s"\n'

    run = drilled(tmp_path, text, "--max-seconds", "10")

    found = run.document["result"]["targets"]
    assert run.code == 3 and len(found) == 4
    assert sum(codes(item) == ["time-ran-out"] for item in found) >= 2
    assert run.document["seconds"] < 25
    assert sum(item["verdict"] == "sound" for item in found) >= 1


def test_a_target_that_takes_too_long_is_ended_and_leaves_nothing(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", postgresql(numbers("public.tide", 400_000)), 1)
    written(tmp_path / "b", "b.sql", night(20), 1)
    (tmp_path / "work").mkdir()
    text = one("a", "a", 'rung = "loaded"', "max-seconds = 1") + one("b", "b")

    run = drilled(tmp_path, text, "--work-folder", tmp_path / "work")

    assert codes(target(run, "a")) == ["not-carried-out"] and "took longer than" in target(run, "a")["reason"]
    assert target(run, "b")["verdict"] == "sound"
    assert list((tmp_path / "work").iterdir()) == []


def test_a_command_that_is_killed_costs_its_own_target_only(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    written(tmp_path / "a", "a.sql", postgresql(numbers("public.tide", 300_000)), 1)
    written(tmp_path / "b", "b.sql", night(20), 1)
    start = Runner._start

    def killed(self: Runner, words: Any, streams: Any) -> Any:
        child = start(self, words, streams)
        if child is not None and words[0] == "verify" and words[1].endswith("a.sql"):
            child.kill()
        return child

    monkeypatch.setattr(Runner, "_start", killed)

    run = drilled(tmp_path, one("a", "a") + one("b", "b"))

    assert "ended by signal 9" in target(run, "a")["reason"] and target(run, "a")["verdict"] == "unproven"
    assert target(run, "b")["verdict"] == "sound"


def test_a_defect_of_ours_costs_its_own_target_only(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    written(tmp_path / "b", "b.sql", night(20), 1)
    before = checked

    def fails(chosen: Any, now: Any) -> Any:
        if chosen.name == "a":
            raise ZeroDivisionError
        return before(chosen, now)

    monkeypatch.setattr("sospes.work.drill.proving.checked", fails)

    run = drilled(tmp_path, one("a", "a") + one("b", "b"))

    assert codes(target(run, "a")) == ["unreadable"] and target(run, "b")["verdict"] == "sound"


@pytest.mark.parametrize("ending", [signal.SIGTERM, signal.SIGINT])
def test_an_interruption_ends_what_runs_and_leaves_nothing(tmp_path: Path, ending: signal.Signals) -> None:
    written(tmp_path / "a", "a.sql", postgresql(numbers("public.tide", 600_000)), 1)
    (tmp_path / "work").mkdir()
    path = plan_file(tmp_path, one("a", "a", 'rung = "loaded"') + one("b", "a"))
    words = [*PROGRAM, "drill", str(path), "--work-folder", str(tmp_path / "work"), "--quiet"]
    before = signal.signal(ending, signal.default_int_handler)  # in a shell's background job it is ignored
    with subprocess.Popen(words, stdout=subprocess.PIPE, stderr=subprocess.PIPE) as process:
        signal.signal(ending, before)
        _until(lambda: any((tmp_path / "work").iterdir()))
        children = psutil.Process(process.pid).children(recursive=True)

        process.send_signal(ending)

        assert process.wait(60) == 130
    assert not any(child.is_running() and child.status() != psutil.STATUS_ZOMBIE for child in children)
    assert list((tmp_path / "work").iterdir()) == []


def test_several_at_a_time(tmp_path: Path) -> None:
    for number in range(4):
        written(tmp_path / str(number), "a.sql", night(20 + number), 1)
    text = "".join(one(f"t{number}", str(number), 'rung = "loaded"') for number in range(4))

    run = drilled(tmp_path, text, "--workers", "4")

    assert run.code == 0 and len(run.document["result"]["targets"]) == 4
    assert sospes("ledger", "--json").document["result"]["total"] == 4


def test_settings_of_the_configuration_hold_in_every_step(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    (tmp_path / "settings.toml").write_text("[profiles.live]\nurl = 'postgresql://nobody@127.0.0.1:1/x'\n")
    text = one("a", "a", 'compare-with = "@live"')

    without = drilled(tmp_path, text)
    run = drilled(tmp_path, text, "--config", tmp_path / "settings.toml")

    assert "no such profile" in target(without, "a")["reason"]
    assert "127.0.0.1" in target(run, "a")["reason"] and run.code == 3


def test_a_drill_without_a_ledger(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    assert drilled(tmp_path, one("a", "a"), "--no-ledger").code == 0
    assert sospes("ledger").code == 2


def test_pieces_are_proven_as_one(tmp_path: Path) -> None:
    whole = night(3000)
    for number in range(2):
        (tmp_path / "a").mkdir(exist_ok=True)
        (tmp_path / "a" / f"night.sql.{number:03}").write_bytes(
            whole[number * 60000 : (number + 1) * 60000 if number == 0 else None]
        )
        dated(tmp_path / "a" / f"night.sql.{number:03}", 1)
    run = drilled(tmp_path, one("a", "a", 'rung = "loaded"'))
    assert run.code == 0, run.document["findings"]


def test_all_real_dumps_by_a_pattern(tmp_path: Path) -> None:
    (tmp_path / "link").symlink_to(DUMPS)
    run = drilled(tmp_path, one("all", str(DUMPS), "each = true"))
    assert {item["verdict"] for item in run.document["result"]["targets"]} <= {"sound", "unproven"}
    assert len(run.document["result"]["targets"]) > 4


@pytest.mark.servers
def test_up_to_matched_with_live(postgres: PostgresServer, tmp_path: Path) -> None:
    postgres.run_sql("postgres", "CREATE DATABASE drilled")
    postgres.run_sql(
        "drilled", "CREATE TABLE boat (id integer PRIMARY KEY); INSERT INTO boat SELECT generate_series(1, 20)"
    )
    (tmp_path / "a").mkdir()
    (tmp_path / "a" / "night.sql").write_bytes(postgres.dump("drilled"))
    live, server = postgres.address("drilled"), postgres.address("postgres")
    text = one("a", "a", 'rung = "matched"', f'side = "{server}"', f'compare-with = "{live}"')

    good = drilled(tmp_path, text)
    postgres.run_sql("drilled", "DELETE FROM boat WHERE id > 15")
    bad = drilled(tmp_path, text)
    postgres.run_sql("postgres", "DROP DATABASE drilled")

    assert (good.code, target(good, "a")["rung"]) == (0, "matched"), good.document["findings"]
    assert bad.code == 3 and target(bad, "a")["rung"] == "consistent"
    assert left_on(server) == []


@pytest.mark.servers
def test_consistent_on_private_servers_of_both_engines(
    postgres: PostgresServer, mariadb: MariadbServer, tmp_path: Path
) -> None:
    (tmp_path / "p").mkdir()
    (tmp_path / "p" / "night.sql").write_bytes(postgres.dump("harbour"))
    written(tmp_path / "m", "night.sql", named("pier", 30), 1)

    run = drilled(tmp_path, one("p", "p", 'rung = "consistent"') + one("m", "m", 'rung = "consistent"'))

    assert {item["name"]: item["rung"] for item in run.document["result"]["targets"]} == {
        "p": "consistent",
        "m": "consistent",
    }, run.document["findings"]

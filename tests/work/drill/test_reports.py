"""Reports of a drill: for people and for programs, whole and safe whatever stands in a name."""

from __future__ import annotations

import json
import re
import shutil
import subprocess
from html.parser import HTMLParser
from pathlib import Path
from xml.etree import ElementTree

import pytest

from sospes.model.findings import fault, note
from sospes.model.outcome import Outcome
from sospes.report.drill import programs
from sospes.report.drill.page import mail_page, page
from sospes.report.drill.summing import is_trouble, sentence, subject
from sospes.work.drill.drill import Drilled
from sospes.work.drill.proving import DrillStep, TargetResult
from tests.conftest import sospes
from tests.nights import night, verified_nights, written
from tests.work.drill.test_drill import drilled, one
from tests.work.drill.test_plan import plan_file

HOSTILE = '<script>alert(1)</script>&"\n\x1b[2J]]>\x00{{ 7*7 }}'


def _target(name: str, verdict: str = "sound", **more: object) -> TargetResult:
    fields: dict[str, object] = {
        "name": name, "verdict": verdict, "rung": "intact", "seconds": 1.5, "backup": "/srv/night.sql", "findings": (),
        "steps": (), "reason": "proven intact", "skipped": "", "wanted": "intact", "not_proven": (), "lineage": "mariadb harbour",
        "written_at": "2026-11-30T03:00:00+00:00", "written_stated": True, "size_bytes": 5000, "rows": 40,
        "window_from": "2026-11-01T03:00:00+00:00", "history_seconds": (1.0, 1.2, 1.5), "expected_seconds": 1.2,
        "expected_bytes": 0,
    }  # fmt: skip
    return TargetResult(**{**fields, **more})  # type: ignore[arg-type]


def _outcome(*targets: TargetResult) -> Outcome[Drilled]:
    result = Drilled(
        drill="night.toml", began_at="2026-11-30T04:00:00+00:00", ended_at="2026-11-30T04:10:00+00:00", dry=False,
        targets=targets, look_at=tuple((one.name, item.message) for one in targets for item in one.findings if item.code == "unusual-rows"),
    )  # fmt: skip
    findings = tuple(item for one in targets for item in one.findings)
    return Outcome(name="night.toml", findings=findings, evidence=(), result=result, seconds=600.0)


NASTY = _outcome(
    _target(
        HOSTILE, "unsound", findings=(fault("truncated", HOSTILE, HOSTILE), note("unusual-rows", HOSTILE)), reason=HOSTILE,
        backup=HOSTILE, lineage=HOSTILE, steps=(DrillStep(command="verify", words=("verify", HOSTILE), verdict="unsound", seconds=1),),
    ),
    _target("left", skipped=HOSTILE),
)  # fmt: skip


class _Tags(HTMLParser):
    """Collects what would act or reach out of a page."""

    def __init__(self) -> None:
        super().__init__()
        self.tags: list[str] = []
        self.addresses: list[str] = []

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        self.tags.append(tag)
        self.addresses += [value or "" for name, value in attrs if name in {"src", "href", "action", "srcset"}]


@pytest.mark.parametrize("make", [lambda outcome: page(outcome).decode(), mail_page], ids=["page", "mail"])
def test_a_page_needs_nothing_else_and_nothing_in_it_acts(make: object) -> None:
    text = make(NASTY)  # type: ignore[operator]
    tags = _Tags()
    tags.feed(text)

    assert "script" not in tags.tags and "iframe" not in tags.tags
    assert all(address.startswith("#") for address in tags.addresses)
    assert "@import" not in text and not re.search(r"url\((?!#)", text)
    assert "{{ 7*7 }}" in text and "\x1b" not in text and "\x00" not in text


def test_the_page_says_what_was_not_proven_as_plainly(tmp_path: Path) -> None:
    shown = page(
        _outcome(
            _target("harbour", "unproven", rung="identified", wanted="consistent", not_proven=("intact", "loaded"))
        )
    )
    text = re.sub(r"<[^>]+>|\s+", " ", shown.decode())
    assert "Not proven harbour : intact, loaded" in re.sub(" +", " ", text)
    well = re.sub(r"<[^>]+>", "", page(_outcome(_target("harbour"))).decode())
    assert "Everything that was asked for was proven" in well


def test_a_page_is_light_dark_and_fit_for_a_phone_and_a_printer() -> None:
    text = page(_outcome(_target("harbour"))).decode()
    for words in ("prefers-color-scheme: dark", "@media print", "width=device-width", "max-width: 46rem", "<svg"):
        assert words in text


def test_junit_holds_what_xml_can(tmp_path: Path) -> None:
    suite = ElementTree.fromstring(
        programs.junit(_outcome(*NASTY.result.targets, _target("pier", "unproven"), _target("well")))
    )

    assert [suite.get(name) for name in ("tests", "failures", "errors", "skipped")] == ["4", "1", "1", "1"]
    kinds = [[child.tag for child in case if child.tag != "system-out"] for case in suite]
    assert kinds == [["failure"], ["skipped"], ["error"], []]
    assert "\ufffd" in (suite[0].get("name") or "")


def test_metrics_are_lines_that_a_collector_reads() -> None:
    text = programs.metrics(NASTY).decode()

    assert text.endswith("# EOF\n")
    sample = re.compile(r'(sospes_\w+)(\{target="(?:[^"\\\n]|\\[\\"n])*"\})? -?[0-9.]+')
    lines = text.splitlines()[:-1]
    assert all(line.startswith(("# HELP ", "# TYPE ")) or sample.fullmatch(line) for line in lines)
    types = [line.split()[2] for line in lines if line.startswith("# TYPE")]
    assert len(types) == len(set(types)) and all(
        line.split()[2] in types for line in lines if line.startswith("# HELP")
    )
    assert "sospes_backup_age_seconds" in text and "sospes_drill_verdict 2" in text


def test_json_lines() -> None:
    lines = [json.loads(line) for line in programs.json_lines(NASTY).splitlines()]
    assert [line.get("target") for line in lines] == [None, HOSTILE, "left"]
    assert lines[0]["look_at"] == [[HOSTILE, HOSTILE]] and lines[1]["findings"][0]["code"] == "truncated"


def test_one_line_for_a_mail() -> None:
    well = _outcome(_target("harbour"), _target("pier"))
    assert subject(well) == "sospes drill sound: 2 sound of 2 targets"
    assert not is_trouble(well)
    bad = _outcome(*(_target(name, "unsound") for name in "abcde"))
    assert subject(bad) == "sospes drill sound: 5 unsound of 5 targets: a, b, c and 2 more"
    odd = _outcome(_target("harbour", findings=(note("unusual-rows", "fewer rows"),)))
    assert subject(odd).endswith("; 1 thing to look at") and is_trouble(odd)
    assert sentence(_outcome(_target("a"), _target("b", skipped="not due"))) == "1 sound, 1 left out of 2 targets"


def test_reports_by_option_and_in_the_file(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    (tmp_path / "out").mkdir()
    reports = '[reports]\nhtml = "out/drill.html"\njunit = "out/drill.xml"\nmetrics = "out/drill.prom"\njson-lines = "out/drill.jsonl"\n'
    (tmp_path / "out" / "drill.html").write_text("of the night before")

    run = drilled(tmp_path, one("a", "a") + reports, "--html", tmp_path / "mine.html")

    paths = run.document["result"]["reports"]
    assert sorted(Path(path).name for path in paths) == ["drill.jsonl", "drill.prom", "drill.xml", "mine.html"]
    assert all(Path(path).stat().st_size > 100 for path in paths)
    assert (tmp_path / "out" / "drill.html").read_text() == "of the night before"
    again = drilled(tmp_path, one("a", "a") + reports)
    assert again.code == 0 and "<!doctype html>" in (tmp_path / "out" / "drill.html").read_text()
    assert [path.name for path in tmp_path.rglob("*sospes-part*")] == []


def test_a_report_that_cannot_be_written_is_said(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    (tmp_path / "x.html").mkdir()
    run = sospes("drill", plan_file(tmp_path, one("a", "a")), "--html", tmp_path / "x.html")
    assert run.code == 2 and "is a folder" in run.err
    assert sospes("ledger").code == 2, "it is said before a night is spent"


def test_a_report_that_cannot_be_written_in_the_end_costs_no_other(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    gone = tmp_path / "gone" / "x.html"

    run = drilled(tmp_path, one("a", "a"), "--html", gone, "--junit", tmp_path / "x.xml")

    assert (run.code, run.codes) == (3, ["not-written"])
    assert ElementTree.parse(tmp_path / "x.xml").getroot().get("errors") == "1"


def test_the_terminal_says_the_worst_first(tmp_path: Path) -> None:
    verified_nights(tmp_path / "odd", [300, 301, 302, 303, 304, 305])
    written(tmp_path / "odd", "night-99.sql", night(100), 0.1)
    written(tmp_path / "cut", "night.sql", night(40)[:-90], 0.1)
    path = plan_file(tmp_path, one("well", "odd") + one("broken", "cut") + one("none", "nowhere"))

    lines = sospes("drill", path).out.splitlines()

    assert lines[0].startswith("UNSOUND") and "2 unsound, 1 sound of 3 targets" in lines[0]
    assert lines[1].strip() == "look at this:" and "well: fewer rows than usual" in lines[2]
    text = "\n".join(lines)
    assert text.index("broken") < text.index("proven intact")
    assert "by hand: sospes verify" in text and "next: " in text
    quiet = sospes("drill", path, "--quiet").out
    assert "look at this" in quiet and "no backup is in" in quiet


def test_a_defect_in_one_report_costs_no_other(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)

    def fails(_outcome: object) -> bytes:
        raise ZeroDivisionError

    monkeypatch.setattr(programs, "metrics", fails)

    run = drilled(tmp_path, one("a", "a"), "--metrics", tmp_path / "x.prom", "--html", tmp_path / "x.html")

    assert (run.code, run.codes) == (3, ["not-written"])
    assert "ZeroDivisionError" in (tmp_path / "x.html").read_text()


@pytest.mark.skipif(shutil.which("chromium") is None, reason="no browser on this machine")
def test_a_browser_shows_the_page_without_a_word_of_its_own(tmp_path: Path) -> None:
    (tmp_path / "drill.html").write_bytes(page(NASTY))
    done = subprocess.run(
        ["chromium", "--headless", "--no-sandbox", "--disable-gpu", "--disable-background-networking", "--disable-sync",
         f"--user-data-dir={tmp_path / 'profile'}", "--dump-dom", f"file://{tmp_path / 'drill.html'}"],
        capture_output=True, timeout=120, check=True,
    )  # fmt: skip
    assert b"Not proven" in done.stdout and b"<script" not in done.stdout

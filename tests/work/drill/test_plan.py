"""The file of a drill: what may stand in it, and what is said of what may not."""

from __future__ import annotations

import json
from datetime import timedelta
from pathlib import Path

import jsonschema
import msgspec
import pytest

from sospes.model.errors import NotFound, UsageError
from sospes.model.spans import Spread
from sospes.model.verdict import Rung
from sospes.work.drill.plan import read_plan, schema

DOCS = Path(__file__).parents[3] / "docs"
FULL = """
[drill]
workers = 2
pause = "90s"
max-seconds = 3600

[[target]]
name = "harbour"
places = ["harbour", "/srv/more"]
with = ["logs"]
database = "harbour"
engine = "postgresql"
server = "db1"
system = "77"
rung = "matched"
side = "@test"
server-bin = "bin"
unconfined = true
trust-backup = true
newest-within = "26h"
reach-back = "35d"
logs-within = "20m"
spread = "7d,4w"
keep-for = "90d"
compare-with = "@live"
drift-by = "updated_at"
figures = "figures.toml"
key-file = "key"
unusual = "doubt"
max-seconds = 600
max-space = "20GB"

[[target]]
name = "all"
places = ["."]
each = true
leave-out = ["try*"]
sample = 5

[reports]
html = "drill.html"
junit = "drill.xml"
metrics = "drill.prom"
json-lines = "drill.jsonl"

[mail]
server = "mail.example"
sender = "sospes@example"
to = ["watch@example"]

[webhook]
url = "https://chat.example/hook"
when = "trouble"
"""


def plan_file(folder: Path, text: str) -> Path:
    """A drill's file with some text."""
    path = folder / "night.toml"
    path.write_text(text)
    return path


def test_all_that_may_stand_in_it(tmp_path: Path) -> None:
    plan = read_plan(plan_file(tmp_path, FULL))

    harbour, everything = plan.targets
    assert (plan.workers, plan.pause_seconds, plan.max_seconds) == (2, 90.0, 3600)
    assert harbour.places == (tmp_path / "harbour", Path("/srv/more")) and harbour.logs == (tmp_path / "logs",)
    assert (harbour.rung, harbour.newest_within, harbour.reach_back) == (
        Rung.MATCHED,
        timedelta(hours=26),
        timedelta(days=35),
    )
    assert (harbour.spread, harbour.space, harbour.strict_unusual) == (Spread(days=7, weeks=4), 20 * 10**9, True)
    assert harbour.options == ("--unconfined", "--trust-backup", "--server-bin", str(tmp_path / "bin"))
    assert (everything.each, everything.sample, everything.rung) == (True, 5, Rung.INTACT)
    assert plan.mail is not None and (plan.mail.tls, plan.mail.when) == ("starttls", "always")


_TARGET = '[[target]]\nname = "a"\nplaces = ["a"]\n'


@pytest.mark.parametrize(
    ("text", "problem", "hint"),
    [
        pytest.param("", "has no [[target]]", "docs/drill.md", id="nothing"),
        pytest.param("target = 3", "has no [[target]]", "docs/drill.md", id="no-list"),
        pytest.param(f'{_TARGET}newst-within = "26h"\n', "line 4, [[target]] 1: unknown key 'newst-within'", "newest-within", id="near"),
        pytest.param(f"{_TARGET}\n{_TARGET}boats = 3\n".replace('"a"', '"b"', 1), "line 8, [[target]] 2: unknown key 'boats'", "known: ", id="second"),
        pytest.param(f'{_TARGET}rung = "intct"\n', "line 4, [[target]] 1, rung: expected one of intact, loaded", "", id="rung"),
        pytest.param(f'{_TARGET}newest-within = "26 hours"\n', "line 4, [[target]] 1, newest-within: expected a text as 90s", "", id="span"),
        pytest.param(f"{_TARGET}newest-within = 26\n", "line 4, [[target]] 1, newest-within: expected a text", "", id="type"),
        pytest.param(f"{_TARGET}sample = 0\n", "sample", "", id="sample-of-none"),
        pytest.param(f"{_TARGET}sample = 3\n", "line 4, [[target]] 1: a sample is taken of what each", "add each", id="sample-of-one"),
        pytest.param(f'{_TARGET}each = true\ndatabase = "x"\n', "line 5, [[target]] 1: each is for all", "leave one", id="each-and-one"),
        pytest.param(f'{_TARGET}rung = "matched"\n', "line 4, [[target]] 1: nothing to compare with", "compare-with", id="matched-with-nothing"),
        pytest.param(f'{_TARGET}spread = "7d,7d"\n', "line 4, [[target]] 1", "", id="spread-twice"),
        pytest.param(f"{_TARGET}{_TARGET}", "two targets are called 'a'", "a name of its own", id="same-name"),
        pytest.param('[[target]]\nname = "a"\n', "places", "", id="no-places"),
        pytest.param(f"{_TARGET}[drill]\nworker = 2\n", "line 5, [drill]: unknown key 'worker'", "workers", id="table"),
        pytest.param(f"{_TARGET}[report]\n", "unknown key or table 'report'", "reports", id="unknown-table"),
        pytest.param(f"{_TARGET}[mail]\nserver = 'x'\n", "[mail]", "", id="mail-without-sender"),
        pytest.param("[[target]\n", "is not valid TOML", "mend that line", id="no-toml"),
    ],
)  # fmt: skip
def test_what_may_not_stand_in_it(tmp_path: Path, text: str, problem: str, hint: str) -> None:
    with pytest.raises(UsageError) as raised:
        read_plan(plan_file(tmp_path, text))
    assert problem in raised.value.problem and hint in raised.value.hint


def test_no_file(tmp_path: Path) -> None:
    with pytest.raises(NotFound, match="no such drill file"):
        read_plan(tmp_path / "none.toml")


def test_the_schema_ships_and_holds() -> None:
    import tomllib

    shipped = json.loads((DOCS / "drill.schema.json").read_text())
    if tuple(map(int, msgspec.__version__.split(".")[:2])) >= (0, 20):  # before, defaults were written otherwise
        assert shipped == schema(), "run: python tools/manual.py"
    validator = jsonschema.Draft202012Validator(shipped)
    assert [*validator.iter_errors(tomllib.loads(FULL))] == []
    for wrong in ('rung = "intct"', "boats = 3", 'newest-within = "x"', "sample = 0"):
        assert [*validator.iter_errors(tomllib.loads(_TARGET + wrong))] != [], wrong
    documented = (DOCS / "drill.md").read_text()
    for table in shipped["$defs"].values():
        for key in table.get("properties", {}):
            assert key in documented, f"docs/drill.md says nothing of {key}"

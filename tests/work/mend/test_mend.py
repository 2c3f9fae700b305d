"""The mend script: it brings back what was lost, nothing else, and only if live is still as it was compared."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from pathlib import Path

import pytest

from tests.backups import copy_table, postgresql
from tests.conftest import sospes
from tests.servers import MariadbServer, PostgresServer

pytestmark = pytest.mark.servers


@dataclass(frozen=True)
class Live:
    """A database in use, the night's backup of it, and what was done to it this morning."""

    address: str
    database: str
    night: Path
    mistakes: list[str]
    run: Callable[[str | bytes], bytes]


@pytest.fixture(params=["postgresql", "mariadb"])
def live(request: pytest.FixtureRequest, tmp_path: Path) -> Iterator[Live]:
    night = tmp_path / "night.sql"
    if request.param == "postgresql":
        server: PostgresServer = request.getfixturevalue("postgres")
        server.run_sql("postgres", "CREATE DATABASE mended TEMPLATE harbour")
        night.write_bytes(server.dump("mended"))
        mistakes = [
            "DELETE FROM rescue.call_out WHERE id BETWEEN 10 AND 19",
            "ALTER TABLE rescue.station DISABLE TRIGGER ALL; UPDATE rescue.station SET name = id || ' it''s $sospes$ gone'",
            "DELETE FROM public.seed_lot WHERE id < 5",
        ]
        address = server.address("mended")
        yield Live(address, "mended", night, mistakes, lambda sql: server.run_sql("mended", sql))
        server.run_sql("postgres", "DROP DATABASE mended")
        return
    maria: MariadbServer = request.getfixturevalue("mariadb")
    night.write_bytes(maria.dump("--routines", "--events", "harbour"))
    mistakes = [
        "DELETE FROM seed_lot WHERE id < 40",
        "UPDATE station SET name = 'gone \\\\ ''x''', code = NULL WHERE id = (SELECT min(id) FROM station)",
        "DELETE FROM `odd ``name``; INSERT INTO` LIMIT 1",
    ]
    yield Live(
        maria.address("harbour"),
        "harbour", night, mistakes, lambda sql: maria.run_sql("harbour", sql),
    )  # fmt: skip
    maria.run_sql("", "DROP DATABASE harbour; CREATE DATABASE harbour CHARACTER SET utf8mb4")
    maria.run_sql("harbour", night.read_bytes())


def _same(live: Live) -> bool:
    run = sospes("compare", live.night, live.address, "--json")
    return run.code == 0


def test_a_script_brings_back_what_was_lost_and_another_takes_it_back(live: Live, tmp_path: Path) -> None:
    for mistake in live.mistakes:
        live.run(mistake)
    before = sospes("compare", live.night, live.address, "--json").document["result"]["tables"]
    fix, undo = tmp_path / "fix.sql", tmp_path / "undo.sql"

    run = sospes("mend", live.night, live.address, "--out", fix, "--undo", undo, "--json")

    assert run.code == 0 and not run.document["result"]["applied"]
    assert not _same(live), "a script is only written"
    live.run(fix.read_bytes())
    assert _same(live)
    live.run(undo.read_bytes())
    after = sospes("compare", live.night, live.address, "--json").document["result"]["tables"]
    assert [(t["only_left"], t["changed"]) for t in after] == [(t["only_left"], t["changed"]) for t in before]
    assert sospes("mend", live.night, live.address, "--out", fix).code == 2, "a script is never overwritten"


def test_a_script_changes_nothing_once_live_is_another(live: Live, tmp_path: Path) -> None:
    for mistake in live.mistakes:
        live.run(mistake)
    fix = tmp_path / "fix.sql"
    sospes("mend", live.night, live.address, "--out", fix)
    live.run(
        "UPDATE rescue.station SET name = id || ' again'"
        if "postgresql" in live.address
        else "UPDATE station SET name = concat(id, ' again')"
    )
    before = sospes("compare", live.night, live.address, "--json").document["result"]["tables"]

    with pytest.raises(RuntimeError, match="no longer as it was compared"):
        live.run(fix.read_bytes())

    assert sospes("compare", live.night, live.address, "--json").document["result"]["tables"] == before


def test_applying_needs_the_very_name_of_the_database(live: Live, tmp_path: Path) -> None:
    for mistake in live.mistakes:
        live.run(mistake)
    words = ("mend", live.night, live.address, "--out")

    wrong = sospes(*words, tmp_path / "a.sql", "--apply", "another")
    right = sospes(*words, tmp_path / "b.sql", "--apply", live.database, "--json")

    assert wrong.code == 2 and "the very name" in wrong.err and not (tmp_path / "a.sql").exists()
    assert right.code == 0 and right.document["result"]["applied"] and _same(live)


def test_a_part_of_what_differs(tmp_path: Path) -> None:
    columns = [("id", "integer NOT NULL"), ("a", "text"), ("b", "text")]
    left = copy_table("public.t", columns, [[str(row), f"a{row}", f"b{row}"] for row in range(10)], "id")
    right = copy_table("public.t", columns, [[str(row), "x", "y"] for row in range(5)] + [["99", "n", "n"]], "id")
    (tmp_path / "l.sql").write_bytes(postgresql(left))
    (tmp_path / "r.sql").write_bytes(postgresql(right))
    words = ("mend", tmp_path / "l.sql", tmp_path / "r.sql", "--json", "--out")

    missing = sospes(*words, tmp_path / "1.sql", "--only", "missing").document["result"]["tables"][0]
    column = sospes(*words, tmp_path / "2.sql", "--only", "changed", "--columns", "b").document
    part = sospes(*words, tmp_path / "3.sql", "--from-key", "4", "--to-key", "6").document["result"]["tables"][0]

    assert (missing["inserts"], missing["updates"], missing["extra"]) == (5, 0, 1)
    assert column["result"]["tables"][0]["updates"] == 5
    assert b'SET "b" = ' in (tmp_path / "2.sql").read_bytes() and b'SET "a"' not in (tmp_path / "2.sql").read_bytes()
    assert (part["inserts"], part["updates"]) == (2, 1)

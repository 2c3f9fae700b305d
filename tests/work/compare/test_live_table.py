"""The whole table of cases on a live database: rows changed, missing, added in each of three tables, in any order."""

from __future__ import annotations

import itertools
import shlex
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from pathlib import Path

import pytest

from tests.backups import copy_table, mysql, postgresql
from tests.conftest import sospes
from tests.servers import MariadbServer, PostgresServer

pytestmark = pytest.mark.servers
TABLES = ("boat", "crew", "tide")
ROWS = 400
_MADE = "".join(
    f"CREATE TABLE {name} (id integer PRIMARY KEY, station integer, note varchar(40));\n"
    + f"INSERT INTO {name} VALUES "
    + ",".join(f"({number},{number % 7},'note {number} on the pier')" for number in range(ROWS))
    + ";\n"
    for name in TABLES
)
_CASES = {
    "same": (),
    "some changed": ("UPDATE {} SET note = concat('x ', id) WHERE id % 50 = 3",),
    "all changed": ("UPDATE {} SET note = 'gone'",),
    "some missing": ("DELETE FROM {} WHERE id % 40 = 5",),
    "all missing": ("DELETE FROM {}",),
    "some added": ("INSERT INTO {} VALUES (9001, 1, 'new'), (9002, 2, 'new')",),
    "of each": (
        "UPDATE {} SET note = concat('x ', id) WHERE id % 50 = 3",
        "DELETE FROM {} WHERE id % 40 = 5",
        "INSERT INTO {} VALUES (9001, 1, 'new')",
    ),
}
_EXPECTED = {
    "same": (0, 0, 0), "some changed": (0, 0, 8), "all changed": (0, 0, ROWS), "some missing": (10, 0, 0),
    "all missing": (ROWS, 0, 0), "some added": (0, 2, 0), "of each": (10, 1, 8),
}  # fmt: skip
"""Rows that are only on the left, only on the right, changed."""


@dataclass(frozen=True)
class Live:
    """A database in use, its address, and the night's backup of it."""

    address: str
    night: Path
    run: Callable[[str], bytes]


@pytest.fixture(scope="module", params=["postgresql", "mariadb"])
def live(request: pytest.FixtureRequest, tmp_path_factory: pytest.TempPathFactory) -> Iterator[Live]:
    night = tmp_path_factory.mktemp("night") / "night.sql"
    if request.param == "postgresql":
        server: PostgresServer = request.getfixturevalue("postgres")
        server.run_sql("postgres", "CREATE DATABASE quay")
        server.run_sql("quay", _MADE)
        night.write_bytes(server.dump("quay"))
        yield Live(server.address("quay"), night, lambda sql: server.run_sql("quay", sql))
        server.run_sql("postgres", "DROP DATABASE quay")
        return
    maria: MariadbServer = request.getfixturevalue("mariadb")
    maria.run_sql("", "CREATE DATABASE quay")
    maria.run_sql("quay", _MADE)
    night.write_bytes(maria.dump("quay"))
    address = maria.address("quay")
    yield Live(address, night, lambda sql: maria.run_sql("quay", sql))
    maria.run_sql("", "DROP DATABASE quay")


def _put_back(live: Live) -> None:
    live.run("".join(f"DROP TABLE IF EXISTS {name};\n" for name in TABLES) + _MADE)


_ORDERS = list(itertools.permutations(_CASES, 3))[::9]


@pytest.mark.parametrize("cases", _ORDERS, ids=" / ".join)
def test_every_order_of_differences(live: Live, tmp_path: Path, cases: tuple[str, ...]) -> None:
    _put_back(live)
    for table, case in zip(TABLES, cases, strict=True):
        for statement in _CASES[case]:
            live.run(statement.format(table))

    run = sospes("compare", live.night, live.address, "--json")

    told = {
        table["name"]: (table["only_left"], table["only_right"], table["changed"])
        for table in run.document["result"]["tables"]
    }
    assert told == {table: _EXPECTED[case] for table, case in zip(TABLES, cases, strict=True)}
    mended = sospes("mend", live.night, live.address, "--out", tmp_path / "fix.sql", "--apply", "quay", "--json")
    assert mended.code == 0, mended.out
    after = sospes("compare", live.night, live.address, "--json").document["result"]["tables"]
    assert all(table["only_left"] == table["changed"] == 0 for table in after)


def test_a_name_with_its_database_means_the_table_on_either_side(live: Live) -> None:
    _put_back(live)
    live.run("UPDATE crew SET note = 'x' WHERE id = 3")
    name = "quay.crew" if live.address.startswith("mariadb") else "public.crew"

    document = sospes("compare", live.night, live.address, "--table", name, "--json").document

    assert [(table["name"], table["changed"]) for table in document["result"]["tables"]] == [("crew", 1)]
    missing = sospes("compare", live.night, live.address, "--table", "crow")
    assert missing.code == 2 and "did you mean" in missing.err


def test_a_table_that_live_has_lost_is_told_with_what_brings_it_back(live: Live, tmp_path: Path) -> None:
    _put_back(live)
    live.run("DROP TABLE tide; DELETE FROM boat WHERE id < 5")

    words = ("mend", live.night, live.address, "--apply", "quay", "--json", "--out")
    run = sospes(*words, tmp_path / "rows.sql")
    whole = sospes(*words, tmp_path / "all.sql", "--objects")

    assert (run.code, run.codes) == (3, ["table-gone"])
    assert f"sospes extract {live.night} tide --into {shlex.quote(live.address)}" in run.document["findings"][0][
        "advice"
    ].replace("public.", "")
    assert [(table["name"], table["inserts"]) for table in run.document["result"]["tables"]] == [("boat", 5)]
    assert whole.code == 0 and [table["name"] for table in whole.document["result"]["tables"]] == ["tide"]
    assert sospes("compare", live.night, live.address, "--json").codes == []


def test_what_no_drift_does_is_called_a_mistake(live: Live) -> None:
    for statement, sentence in (("UPDATE crew SET note = 'x'", "note"), ("DELETE FROM crew", "all 400 rows")):
        _put_back(live)
        live.run(statement)

        run = sospes("compare", live.night, live.address, "--json")

        assert run.code == 3 and "likely a mistake" in run.out and sentence in run.out


def test_one_of_several_equal_rows_is_taken_back(live: Live, tmp_path: Path) -> None:
    _put_back(live)
    live.run("CREATE TABLE log (note varchar(40)); INSERT INTO log VALUES ('a'), ('a'), ('b')")
    night = tmp_path / "night.sql"
    sospes("extract", live.night, "boat", "--out", tmp_path / "boat.sql")
    try:
        text = live.night.read_text()
        row = "INSERT INTO {} VALUES ('a'), ('a'), ('b');\n"
        ours = "public.log" if live.address.startswith("postgresql") else "`log`"
        definition = (
            f"CREATE TABLE {ours} (\n    note character varying(40)\n);\n"
            if "public" in ours
            else "CREATE TABLE `log` (\n  `note` varchar(40)\n);\n"
        )
        mark = "--\n-- PostgreSQL database dump complete" if "public" in ours else "/*!40103 SET TIME_ZONE=@OLD"
        night.write_text(text.replace(mark, definition + row.format(ours) + "\n" + mark, 1))
        live.run("DELETE FROM log WHERE note = 'b'" if "public" in ours else "DELETE FROM log WHERE note = 'a' LIMIT 1")
        before = sospes("compare", night, live.address, "--table", "log", "--rows-only", "--json").document
        fix, undo = tmp_path / "fix.sql", tmp_path / "undo.sql"
        assert sospes("mend", night, live.address, "--table", "log", "--out", fix, "--undo", undo, "--json").code == 0
        live.run(fix.read_text())
        live.run(undo.read_text())
        assert (
            sospes("compare", night, live.address, "--table", "log", "--rows-only", "--json").document["result"]
            == before["result"]
        )
    finally:
        live.run("DROP TABLE log")


def test_a_side_of_another_database_is_no_success(live: Live, tmp_path: Path) -> None:
    other = tmp_path / "other.sql"
    if live.address.startswith("postgresql"):
        other.write_bytes(postgresql(copy_table("public.lamp", [("x", "integer")], [["1"]])))
    else:
        other.write_bytes(mysql(b"CREATE TABLE `lamp` (`x` int);\nINSERT INTO `lamp` VALUES (1);\n"))

    compared = sospes("compare", other, live.address, "--json")
    mended = sospes("mend", other, live.address, "--out", tmp_path / "fix.sql", "--json")

    assert compared.code != 0 and compared.document["findings"][0]["code"] == "nothing-in-common"
    assert mended.code != 0

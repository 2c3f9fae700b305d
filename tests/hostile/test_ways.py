"""Every way out: told by reading where nobody legitimately writes it, held on private servers wherever it stands."""

from __future__ import annotations

import re
import sys
from collections.abc import Iterator
from pathlib import Path

import pytest

from tests.backups import copy_table, mysql, postgresql
from tests.conftest import sospes
from tests.hostile.ways import MARIADB_HELD, MARIADB_TOLD, POSTGRESQL_HELD, POSTGRESQL_TOLD

linux = pytest.mark.skipif(sys.platform != "linux", reason="private servers have walls on Linux only")
TIDE = copy_table("public.tide", [("id", "integer")], [["1"]])
SHIP = b"CREATE TABLE `tide` (\n  `id` int(11) DEFAULT NULL\n);\nINSERT INTO `tide` VALUES (1);\n"


def _night(folder: Path, engine: str, way: str, canary: Path) -> Path:
    way = way.replace("{canary}", str(canary))
    night = folder / "night.sql"
    whole = (
        postgresql(TIDE + way.encode() + b"\n\n") if engine == "postgresql" else mysql(SHIP + way.encode() + b"\n\n")
    )
    night.write_bytes(whole)
    return night


def _variants(way: str) -> Iterator[str]:
    """The same in other words: case, comments for blanks, line feeds, more blanks."""
    yield way.swapcase() if "{canary}" not in way else way
    if not way.startswith(("\\", "DELIMITER")) and "\\" not in way and "$$" not in way and "'" not in way:
        yield way.replace(" ", "\n")
        yield way.replace(" ", "   \t")
        yield way.replace(" ", "/* x */ ")


_TOLD = [
    *(pytest.param("postgresql", way, id=f"postgresql-{name}") for name, way in POSTGRESQL_TOLD.items()),
    *(pytest.param("mariadb", way, id=f"mariadb-{name}") for name, way in MARIADB_TOLD.items()),
]


def test_there_are_many_ways() -> None:
    assert sum(map(len, (POSTGRESQL_TOLD, POSTGRESQL_HELD, MARIADB_TOLD, MARIADB_HELD))) >= 220
    assert len(_TOLD) >= 150


@pytest.mark.parametrize(("engine", "way"), _TOLD)
def test_what_nobody_writes_into_a_backup_is_told(engine: str, way: str, tmp_path: Path, canary: Path) -> None:
    night = _night(tmp_path, engine, way, canary)

    assert sospes("verify", night, "--json").code in {1, 3}
    assert sospes("rehearse", night, "--json").code in {1, 3}
    assert sospes("inspect", "--contents", night, "--json").code in {1, 3}


@pytest.mark.parametrize(("engine", "way"), _TOLD)
def test_the_same_before_all_else_is_told_as_well(engine: str, way: str, tmp_path: Path, canary: Path) -> None:
    text = way.replace("{canary}", str(canary)).encode() + b"\n\n"
    path = tmp_path / "night.sql"
    path.write_bytes(postgresql(text + TIDE) if engine == "postgresql" else mysql(text + SHIP))
    assert sospes("verify", path, "--json").document["verdict"] != "sound"


@pytest.mark.parametrize(("engine", "way"), _TOLD)
def test_the_same_in_other_words(engine: str, way: str, tmp_path: Path, canary: Path) -> None:
    for variant in _variants(way):
        assert sospes("verify", _night(tmp_path, engine, variant, canary), "--json").code in {1, 3}, variant


@linux
@pytest.mark.servers
@pytest.mark.parametrize("engine", ["postgresql", "mariadb"])
def test_all_ways_at_once_reach_nothing_on_a_private_server(engine: str, tmp_path: Path, canary: Path) -> None:
    told, held = (POSTGRESQL_TOLD, POSTGRESQL_HELD) if engine == "postgresql" else (MARIADB_TOLD, MARIADB_HELD)
    ways = "\n\n".join(
        re.sub(r"\bpublic\.f\b", f"public.f{number}", way)
        for number, way in enumerate([*held.values(), *told.values()])
    )
    night = _night(tmp_path, engine, ways, canary)

    run = sospes("rehearse", "--side", "private", night, "--json")

    assert run.code in {1, 3} and run.document["verdict"] != "sound"
    assert run.document["result"].get("side") is None or len(run.document["result"]["side"]["confined"]) == 4


@linux
@pytest.mark.servers
@pytest.mark.parametrize(
    "name",
    [
        "event-trigger",
        "index-expr",
        "check",
        "domain",
        "default",
        "generated",
        "matview",
        "operator",
        "cast",
        "untrusted-fn",
    ],
)
def test_code_of_a_backup_runs_without_rights(name: str, tmp_path: Path, canary: Path) -> None:
    """What runs while a backup is restored can't even try as the server's first user."""
    night = _night(tmp_path, "postgresql", POSTGRESQL_HELD[name], canary)

    run = sospes("rehearse", "--side", "private", night, "--json")

    assert run.document["result"]["side"]["confined"] == ["files", "sockets", "network", "processes"]
    for found in run.document["findings"]:
        if "program" in found["message"] and found["severity"] == "fault":
            assert found["code"] == "hostile-statement", found

"""Every way out: told by reading where nobody legitimately writes it, held on private servers wherever it stands."""

from __future__ import annotations

import re
import sys
from collections.abc import Iterator
from pathlib import Path

import pytest

from tests.conftest import sospes
from tests.hostile.ways import Way, all_at_once, backup, ways

linux = pytest.mark.skipif(sys.platform != "linux", reason="private servers have walls on Linux only")
ENGINES = ("postgresql", "mariadb")


_PLAIN = re.compile(r"[^\\$'\"/#-]*")


def _variants(way: str) -> Iterator[str]:
    """The same in other words: case, blanks, comments in place of blanks, quoted or conditional where that means the same."""
    yield way.swapcase() if "tmp" not in way and "/*M" not in way else way
    if not way.startswith("DELIMITER") and _PLAIN.fullmatch(way):
        yield way.replace(" ", "\n")
        yield way.replace(" ", "   \t")
        yield way.replace(" ", "/* x */ ")


def _by_engine(way: Way, text: str) -> Iterator[str]:
    """Variants of one engine only: comments in comments; conditional comments around and inside of a statement."""
    if way.text.startswith(("\\", "/*", ";", "\ufeff")) or "\n" in way.text or way.name in _CLIENTS:
        return
    if way.engine == "postgresql":
        yield f"/* a /* b */ c */ {text}"
        yield f"-- x\r\n{text}"
    elif text.endswith(";") and text.count(";") == 1 and "*/" not in text:
        yield f"/*!40000 {text[:-1]} */;"
        yield f"/*M!100000 {text[:-1]} */;"
        yield "/*!40000 " + text[:-1].replace(" ", " */ /*!40000 ", 1) + " */;" if "'" not in text else text


_CLIENTS = frozenset(
    {
        "tee",
        "pager2",
        "source",
        "connect",
        "edit",
        "client-sys",
        "client-sys2",
        "dash-nospace",
        "hash-comment",
        "vt",
        "help",
    }
)
"""Words of the client, which stand at the beginning of a line; and what a comment before it would change."""

_TOLD = [pytest.param(way, id=f"{way.engine}-{way.name}") for engine in ENGINES for way in ways(engine, "told")]


def test_there_are_many_ways() -> None:
    assert len(_TOLD) >= 250
    assert sum(len(ways(engine, "held")) for engine in ENGINES) >= 65


@pytest.mark.parametrize("way", _TOLD)
def test_what_nobody_writes_into_a_backup_is_told(way: Way, tmp_path: Path, canary: Path) -> None:
    text = way.written(canary)
    first = tmp_path / "first.sql"
    first.write_bytes(backup(way.engine, text, first=True))
    night = tmp_path / "night.sql"
    night.write_bytes(backup(way.engine, text))
    others = []
    for number, variant in enumerate([*_variants(text), *_by_engine(way, text)]):
        others.append(tmp_path / f"variant{number}.sql")
        others[-1].write_bytes(backup(way.engine, variant))

    documents = {path: sospes("verify", path, "--json").document for path in (night, first, *others)}

    assert way.finding in {finding["code"] for finding in documents[night]["findings"]}
    sound = [path.read_text() for path, document in documents.items() if document["verdict"] == "sound"]
    assert sound == []
    assert sospes("rehearse", night, "--json").code in {1, 3}


@linux
@pytest.mark.servers
@pytest.mark.parametrize("engine", ["postgresql", "mariadb"])
def test_all_ways_at_once_reach_nothing_on_a_private_server(engine: str, tmp_path: Path, canary: Path) -> None:
    night = tmp_path / "night.sql"
    night.write_bytes(all_at_once(engine, canary))

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
    [way] = [way for way in ways("postgresql", "held") if way.name == name]
    night = tmp_path / "night.sql"
    night.write_bytes(backup("postgresql", way.written(canary)))

    run = sospes("rehearse", "--side", "private", night, "--json")

    assert run.document["result"]["side"]["confined"] == ["files", "sockets", "network", "processes"]
    for found in run.document["findings"]:
        if "program" in found["message"] and found["severity"] == "fault":
            assert found["code"] == "hostile-statement", found

"""Incremental backups of newer servers: the chain by log positions, the files of changed pages, and damage in them."""

from __future__ import annotations

import shutil
import struct
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

import crc32c
import numpy as np
import pytest

from sospes.formats.base.increments import MAGIC, BadIncrement, read_increment
from sospes.formats.base.pages import checksums
from tests.conftest import Run, _servers_or_skip, folder_for_all, sospes
from tests.servers import PostgresServer, newer_postgres_folders

newer = pytest.mark.servers


@dataclass(frozen=True)
class Chain:
    """A full backup and two incremental ones, as folders, and the last one as a tar, too."""

    full: Path
    first: Path
    second: Path
    tar: Path


@pytest.fixture(scope="module", params=["17", "18"])
def chain(request: pytest.FixtureRequest, tmp_path_factory: pytest.TempPathFactory) -> Iterator[Chain]:
    """The chain that a newer server's own program writes."""
    found = [
        path for path in newer_postgres_folders() if PostgresServer.version_of(path) == request.param
    ]  # fmt: skip
    if not found:
        _servers_or_skip(f"no binaries of PostgreSQL {request.param}: name them in SOSPES_NEWER_POSTGRES")
    folder = folder_for_all(tmp_path_factory.mktemp("chain"))
    settings = ("summarize_wal=on", "wal_level=replica")
    with PostgresServer(found[0], "--data-checksums", "--wal-segsize=1", settings=settings) as server:
        server.run_sql("postgres", "CREATE TABLE boat (id integer PRIMARY KEY, name text)")
        server.run_sql("postgres", "INSERT INTO boat SELECT n, 'boat ' || n FROM generate_series(1, 20000) n")
        full = server.base_backup(folder / "full")
        server.run_sql("postgres", "UPDATE boat SET name = 'Osprey' WHERE id = 9000; CREATE TABLE crew (id integer)")
        first = server.base_backup(folder / "zz-first", "-i", str(full / "backup_manifest"))
        server.run_sql("postgres", "INSERT INTO crew SELECT generate_series(1, 3000); DROP TABLE IF EXISTS quay")
        second = server.base_backup(folder / "second", "-i", str(first / "backup_manifest"))
        options = ("-i", str(first / "backup_manifest"), "-F", "t", "-z", "-X", "fetch")
        tar = server.base_backup(folder / "tar", *options)
    yield Chain(full, first, second, tar)


@pytest.fixture
def copy(chain: Chain, tmp_path: Path) -> Chain:
    """A copy of all of it, to be damaged."""
    root = Path(shutil.copytree(chain.full.parent, tmp_path / "copy"))
    return Chain(root / "full", root / "zz-first", root / "second", root / "tar")


def verified(*words: str | Path) -> Run:
    """What a verification finds."""
    return sospes("verify", *words, "--json", "--no-ledger")


def increments(backup: Path) -> list[Path]:
    """Files of changed pages that hold some, the largest first."""
    found = [path for path in backup.rglob("INCREMENTAL.*") if "_" not in path.name and path.stat().st_size > 8192]
    return sorted(found, key=lambda path: path.stat().st_size, reverse=True)


@newer
def test_what_it_is(chain: Chain) -> None:
    full = sospes("inspect", chain.full, "--json").document["result"]
    for backup, below in (
        (chain.first, full),
        (chain.tar, sospes("inspect", chain.first, "--json").document["result"]),
    ):
        found = sospes("inspect", backup, "--json").document["result"]
        assert (found["kind"], found["follows"]) == ("incremental", below["log_from"])
        assert found["system_identifier"] == full["system_identifier"]


@newer
def test_a_chain_is_found_by_positions_and_not_by_name(chain: Chain) -> None:
    for backup in (chain.second, chain.tar):
        alone = verified(backup)
        assert (alone.code, alone.codes) == (3, ["base-missing"])
        half = verified(backup, "--with", chain.full)
        assert (half.code, half.codes) == (3, ["base-missing"])
        whole = verified(backup, "--with", chain.full.parent)
        assert whole.code == 0, whole.document["findings"]
        assert whole.document["result"]["bytes_read"] > half.document["result"]["bytes_read"]


@newer
def test_damage_in_what_it_builds_on_counts(copy: Chain) -> None:
    largest = max((copy.full / "base").rglob("*"), key=lambda path: path.stat().st_size)
    data = bytearray(largest.read_bytes())
    data[9000] ^= 1
    largest.write_bytes(data)

    run = verified(copy.second, "--with", copy.full.parent)

    assert (run.code, run.codes) == (1, ["checksum-mismatch"])
    assert run.document["findings"][-1]["place"]["file"].startswith(str(copy.full))


@newer
def test_a_link_of_another_cluster(copy: Chain) -> None:
    control = bytearray((copy.full / "global/pg_control").read_bytes())
    length = {18: 292}.get(int((copy.full / "PG_VERSION").read_text()), 288)
    control[0] ^= 1
    struct.pack_into("<I", control, length, crc32c.crc32c(bytes(control[:length])))
    (copy.full / "global/pg_control").write_bytes(control)

    run = verified(copy.second, "--with", copy.full.parent)

    assert (run.code, "base-foreign" in run.codes) == (1, True)


@newer
def test_a_file_that_the_link_lacks(copy: Chain) -> None:
    [name] = {path.name.removeprefix("INCREMENTAL.") for path in increments(copy.first)[:1]}
    for path in copy.full.rglob(name):
        path.unlink()

    run = verified(copy.first, "--with", copy.full)

    assert (run.code, "base-foreign" in run.codes) == (1, True)


@newer
@pytest.mark.parametrize("where", ["magic", "count", "block", "page", "cut"])
def test_a_file_of_changed_pages_that_was_damaged(copy: Chain, where: str) -> None:
    """Without a manifest only the file itself tells."""
    path = increments(copy.first)[0]
    data = bytearray(path.read_bytes())
    if where == "magic":
        data[1] ^= 1
    elif where == "count":
        data[4] ^= 1
    elif where == "block":
        data[12] ^= 1  # the page's checksum covers its number
    elif where == "page":
        data[-100] ^= 1
    else:
        del data[-8192:]
    path.write_bytes(data)
    (copy.first / "backup_manifest").unlink()

    run = verified(copy.first, "--with", copy.full)

    expected = {"block": "page-damaged", "page": "page-damaged"}.get(where, "increment-damaged")
    assert run.code in ({1, 3} if where in {"block", "page"} else {1}), run.document["findings"]
    assert run.codes[0] in {expected, "page-torn"}
    assert run.document["findings"][0]["place"] is not None


@newer
def test_the_plan_names_the_chain_in_order(chain: Chain) -> None:
    run = sospes("plan", chain.full.parent, "--json")
    parts = [(Path(part["path"]).name, part["kind"]) for part in run.document["result"]["parts"]]
    assert run.code == 0, run.document["findings"]
    assert parts[:3] == [("full", "full"), ("zz-first", "incremental"), ("tar", "incremental")]

    run = sospes("plan", chain.second, chain.full, "--json")
    assert (run.code, run.codes) == (3, ["newer-unusable"])
    used = [Path(part["path"]).name for part in run.document["result"]["parts"]]
    assert used[0] == "full"
    alone = sospes("plan", chain.second, "--json")
    assert (alone.code, alone.codes[0]) == (3, "base-missing")
    assert alone.document["result"]["missing"][0]["from"]


def _made(blocks: list[int], least: int = 0, count: int | None = None) -> bytes:
    head = struct.pack("<III", MAGIC, len(blocks) if count is None else count, least)
    return head + b"".join(struct.pack("<I", block) for block in blocks)


def test_heads_of_files_of_changed_pages() -> None:
    found = read_increment(_made([3, 9], 5).ljust(8192, b"\0"), 8192, 131072)
    assert (list(found.blocks), found.least, found.begin) == ([3, 9], 5, 8192)
    assert read_increment(_made([]), 8192, 131072).begin == 12
    assert read_increment(_made(list(range(3000))), 8192, 131072).begin == 16384
    for wrong, said in (
        (b"words that are none", "begin"),
        (_made([1])[:14], "shorter"),
        (_made([1], count=1 << 23), "said to hold"),
        (_made([200000]), "past"),
        (_made([1], 200000), "past"),
        (_made([4, 4]), "twice"),
        (b"", "shorter"),
    ):
        with pytest.raises(BadIncrement, match=said):
            read_increment(wrong, 8192, 131072)


def test_checksums_are_of_the_pages_own_numbers() -> None:
    pages = np.arange(3 * 2048, dtype=np.uint32).reshape(3, 2048)
    inorder = checksums(pages, np.array([0, 1, 2], np.uint32))
    apart = checksums(pages, np.array([0, 7, 2], np.uint32))
    assert inorder[0] == apart[0] and inorder[1] != apart[1] and inorder[2] == apart[2]


@newer
def test_survey_and_drill_know_chains(copy: Chain, tmp_path: Path) -> None:
    """The newest backup of a lineage may be an incremental one, if all is there that it builds on."""
    places = copy.full.parent
    shutil.rmtree(copy.tar)
    found = sospes("survey", places, "--json").document["result"]["lineages"][0]
    assert (found["newest"], found["kinds"]) == (
        str(copy.second),
        ["full", "incremental", "log"][: len(found["kinds"])],
    )
    (tmp_path / "night.toml").write_text(f'[[target]]\nname = "pier"\nplaces = ["{places}"]\nrung = "intact"\n')
    drilled = sospes("drill", tmp_path / "night.toml", "--json")
    assert drilled.code == 0, drilled.document["findings"]
    assert drilled.document["result"]["targets"][0]["backup"] == str(copy.second)
    assert drilled.document["result"]["targets"][0]["rung"] == "intact"

    shutil.rmtree(copy.first)
    run = sospes("survey", places, "--json")
    assert (run.code, run.codes) == (3, ["chain-broken"])
    assert run.document["result"]["lineages"][0]["newest"] == str(copy.full)


def test_a_form_that_has_no_parts_says_so() -> None:
    dump = Path(__file__).parents[1] / "dumps" / "postgresql-18.sql"
    run = verified(dump, "--with", dump.parent)
    assert (run.code, run.document["findings"][0]["code"]) == (0, "parts-unused")
    assert verified(dump, "--with", "/nowhere").code == 2

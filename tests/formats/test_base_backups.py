"""Base backups as a real server writes them: sound ones in every shape, and what is found in damaged ones."""

from __future__ import annotations

import gzip
import json
import random
import shutil
import struct
import subprocess
import sys
import tarfile
import tempfile
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import crc32c
import numpy as np
import psycopg
import pytest

from sospes.formats.base.label import read_label
from sospes.formats.base.pages import RELATION, checksums
from tests.conftest import Run, _servers_or_skip, folder_for_all, sospes, verdict_of
from tests.servers import PostgresServer, _run, postgres_folders

pytestmark = pytest.mark.servers
FILL = """CREATE TABLE boat (id integer PRIMARY KEY, name text);
INSERT INTO boat SELECT n, 'boat ' || n FROM generate_series(1, 4000) n;
CREATE UNLOGGED TABLE draft (id integer); INSERT INTO draft VALUES (1);
CREATE INDEX boat_name ON boat (name); CHECKPOINT;"""


@pytest.fixture(scope="module")
def cluster() -> Iterator[PostgresServer]:
    """A small cluster with page checksums and segments of 1 MiB."""
    if not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    with PostgresServer(None, "--data-checksums", "--wal-segsize=1") as server:
        server.run_sql("postgres", "ALTER SYSTEM SET wal_keep_size = '64MB'")
        server.run_sql("postgres", "SELECT pg_reload_conf()")
        server.run_sql("postgres", FILL)
        yield server


@pytest.fixture(scope="module")
def plain(cluster: PostgresServer, tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A base backup as a folder, with a manifest of SHA-256."""
    folder = folder_for_all(tmp_path_factory.mktemp("plain"))
    return cluster.base_backup(folder / "base", "--manifest-checksums=SHA256", "-l", "nightly of the pier")


@pytest.fixture
def copy(plain: Path, tmp_path: Path) -> Path:
    """A copy of it, to be damaged."""
    return Path(shutil.copytree(plain, tmp_path / "copy", symlinks=True))


def verified(folder: Path) -> Run:
    """What a verification finds."""
    return sospes("verify", folder, "--json")


def flip(path: Path, at: int, bit: int = 0) -> None:
    """Change one bit of a file."""
    with path.open("r+b") as file:
        file.seek(at)
        [byte] = file.read(1)
        file.seek(at)
        file.write(bytes([byte ^ 1 << bit]))


def relation(folder: Path) -> Path:
    """The largest file that is made of pages."""
    files = [
        path for path in folder.rglob("*") if path.is_file() and RELATION.fullmatch(path.relative_to(folder).as_posix())
    ]
    return max((path for path in files if "_" not in path.name), key=lambda path: path.stat().st_size)


def test_what_it_is(plain: Path) -> None:
    found = sospes("inspect", plain, "--json").document["result"]

    label = read_label((plain / "backup_label").read_bytes())
    assert label is not None
    assert (found["format"], found["engine"], found["kind"]) == ("pg-base", "postgresql", "full")
    assert found["label"] == "nightly of the pier" and found["timeline"] == 1
    assert found["data_checksums"] is True and found["logs_inside"] is True and found["follows"] is None
    assert found["databases"] == ["template1", "template0", "postgres"]
    assert found["written_at"] == label.started_at and found["started_at"].endswith("+00:00")
    assert found["system_identifier"].isdecimal() and found["log_from"] < found["log_to"]
    assert "base backup of template1" in sospes("inspect", plain).out


@pytest.mark.parametrize(
    "options",
    [
        pytest.param(["--manifest-checksums=CRC32C"], id="crc32c"),
        pytest.param(["--manifest-checksums=SHA512"], id="sha512"),
        pytest.param(["--manifest-force-encode"], id="names-as-hex"),
        pytest.param(["-X", "fetch"], id="log-fetched"),
        pytest.param(["-F", "t"], id="tar"),
        pytest.param(["-F", "t", "-z"], id="tar-gzip"),
        pytest.param(["-F", "t", "--compress=server-lz4"], id="tar-lz4"),
        pytest.param(["-F", "t", "--compress=server-zstd:3", "-X", "fetch"], id="tar-zstandard"),
        pytest.param(["-R"], id="with-settings-for-a-standby"),
        pytest.param(["--no-manifest"], id="no-manifest"),
    ],
)
def test_sound_in_every_shape(cluster: PostgresServer, tmp_path: Path, options: list[str]) -> None:
    backup = cluster.base_backup(folder_for_all(tmp_path) / "base", *options)

    run = verified(backup)

    assert (run.code, run.document["rung"]) == (0, "intact"), run.document["findings"]
    assert sospes("inspect", backup).code == 0
    assert "every page and record of its log checked" in sospes("verify", backup).out


def test_a_tar_on_standard_input(cluster: PostgresServer, tmp_path: Path) -> None:
    backup = cluster.base_backup(folder_for_all(tmp_path) / "base", "-F", "t", "-X", "fetch")
    with (backup / "base.tar").open("rb") as file:
        done = subprocess.run(
            [sys.executable, "-m", "sospes", "verify", "-", "--json"],
            stdin=file,
            capture_output=True,
            timeout=120,
            check=False,
        )
    document = json.loads(done.stdout)
    assert done.returncode == 0, document["findings"]
    assert document["result"]["format"] == "pg-base"


def test_without_its_log_it_is_unproven(cluster: PostgresServer, tmp_path: Path) -> None:
    backup = cluster.base_backup(folder_for_all(tmp_path) / "base", "-X", "none", "-F", "t")
    run = verified(backup)
    assert (run.code, run.codes) == (3, ["logs-missing"])


def test_a_cluster_without_page_checksums_and_with_a_tablespace(tmp_path: Path) -> None:
    if not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    folder = folder_for_all(tmp_path)
    with PostgresServer(None, "--wal-segsize=1") as server:
        for place in ("quay", "copied"):
            (folder / place).mkdir(mode=0o777)
            (folder / place).chmod(0o777)
        quay = server.folder / "quay"
        server.run_sql("postgres", f"DO $$ BEGIN PERFORM 1; END $$; COPY (SELECT 1) TO PROGRAM 'mkdir {quay}'")
        server.run_sql("postgres", f"CREATE TABLESPACE quay LOCATION '{quay}'")
        server.run_sql(
            "postgres", "CREATE TABLE t (x int) TABLESPACE quay; INSERT INTO t SELECT generate_series(1, 900)"
        )
        as_folder = server.base_backup(folder / "plain", "-T", f"{quay}={folder / 'copied' / 'quay'}")
        as_tars = server.base_backup(folder / "tars", "-F", "t", "-z")

    for backup in (as_folder, as_tars):
        run = verified(backup)
        assert run.code == 0, run.document["findings"]
        assert len(run.document["result"]["tablespaces"]) == 1
        assert run.document["result"]["data_checksums"] is False
    inside = next(
        path for path in (folder / "copied" / "quay").rglob("*") if path.is_file() and path.stat().st_size > 8192
    )
    flip(inside, 5000)
    assert verified(as_folder).codes == ["checksum-mismatch"]


def test_taken_while_much_is_written(cluster: PostgresServer, tmp_path: Path) -> None:
    churn = "DO $$ BEGIN FOR n IN 1..60 LOOP UPDATE boat SET name = name || 'x' WHERE id % 7 = n % 7; COMMIT; END LOOP; END $$"
    words = [*cluster._client("psql", "postgres"), "-qX", "-c", churn]
    with subprocess.Popen(words, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL) as busy:
        backup = cluster.base_backup(folder_for_all(tmp_path) / "base")
        busy.wait(60)

    run = verified(backup)
    assert run.code == 0, run.document["findings"]


def _log_position(pages: bytes, page: int) -> int:
    high, low = struct.unpack_from("<II", pages, page * 8192)
    return int(high << 32) + int(low)


def test_a_page_that_was_torn_in_copying_is_made_whole_by_the_log(cluster: PostgresServer, tmp_path: Path) -> None:
    """All changes of a page come after the backup began, so the log holds an image of it."""
    data, backup = cluster.folder / "data", tmp_path / "by-hand"
    [boat] = cluster.query("postgres", "SELECT pg_relation_filepath('boat')").decode().split()
    [other] = cluster.query("postgres", "SELECT pg_relation_filepath('pg_proc')").decode().split()
    with psycopg.connect(host=str(cluster.folder), user="postgres", dbname="postgres", autocommit=True) as session:
        session.execute("SELECT pg_backup_start('by hand', true)")
        session.execute("UPDATE boat SET name = name || 'y'")
        session.execute("CHECKPOINT")
        shutil.copytree(data, backup, symlinks=True, ignore=shutil.ignore_patterns("postmaster.*", "pg_wal"))
        [_, label, _] = session.execute("SELECT * FROM pg_backup_stop(false)").fetchone() or ["", "", ""]
    shutil.copytree(data / "pg_wal", backup / "pg_wal")
    (backup / "backup_label").write_text(label)
    whole = verified(backup)
    assert whole.code == 0, whole.document["findings"]

    pages = (backup / boat).read_bytes()
    start = read_label(label.encode())
    assert start is not None
    touched = [page for page in range(len(pages) // 8192) if _log_position(pages, page) >= start.start]
    flip(backup / boat, touched[0] * 8192 + 8000)
    torn = verified(backup)
    assert torn.code == 0, torn.document["findings"]
    flip(backup / other, 8192 + 8000)
    assert verified(backup).codes == ["page-damaged"]

    for segment in (backup / "pg_wal").glob("0*"):
        segment.unlink()
    assert set(verified(backup).codes) == {"page-damaged", "page-torn", "logs-missing"}


def test_a_cold_copy_and_one_of_a_running_server(tmp_path: Path) -> None:
    if not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    with PostgresServer(None, "--data-checksums", "--wal-segsize=1") as server:
        server.run_sql("postgres", FILL)
        running = shutil.copytree(server.folder / "data", tmp_path / "running", symlinks=True)
        subprocess.run(
            ["setpriv", f"--reuid={server.user}", "--clear-groups", f"{server.binaries}/pg_ctl", "-D", str(server.folder / "data"),
             "-m", "fast", "-w", "stop"], check=False, capture_output=True,
        )  # fmt: skip
        server_down = not (server.folder / "data" / "postmaster.pid").exists()
        cold = shutil.copytree(server.folder / "data", tmp_path / "cold", symlinks=True)

    assert verified(running).codes == ["server-running"]
    (running / "postmaster.pid").unlink()
    assert verified(running).codes == ["label-missing"]
    if server_down:
        run = verified(cold)
        assert (run.code, [item["code"] for item in run.document["findings"]]) == (0, ["manifest-missing"])


def _set(document: dict[str, Any], text: str) -> str:
    return json.dumps(document) if text == "" else text


@pytest.mark.parametrize(
    ("damage", "code", "exit_code"),
    [
        pytest.param(lambda folder: relation(folder).unlink(), "file-missing", 1, id="gone"),
        pytest.param(lambda folder: flip(relation(folder), 9000), "checksum-mismatch", 1, id="a-flipped-bit"),
        pytest.param(lambda folder: relation(folder).write_bytes(relation(folder).read_bytes()[:-8192]), "file-resized", 1, id="cut"),
        pytest.param(lambda folder: (folder / "global" / "extra.conf").write_text("x"), "file-foreign", 3, id="foreign"),
        pytest.param(lambda folder: flip(folder / "backup_manifest", 4000), "manifest-damaged", 1, id="manifest-flipped"),
        pytest.param(lambda folder: (folder / "backup_manifest").write_bytes((folder / "backup_manifest").read_bytes()[:5000]), "manifest-damaged", 1, id="manifest-cut"),
        pytest.param(lambda folder: flip(folder / "global" / "pg_control", 100), "control-damaged", 1, id="control"),
        pytest.param(lambda folder: (folder / "global" / "pg_control").write_bytes(b""), "control-damaged", 1, id="control-empty"),
        pytest.param(lambda folder: (folder / "global" / "pg_control").unlink(), "control-missing", 1, id="no-control"),
        pytest.param(lambda folder: (folder / "PG_VERSION").unlink(), "file-missing", 1, id="no-version"),
        pytest.param(lambda folder: (folder / "backup_label").write_bytes(b"START"), "label-damaged", 1, id="label"),
        pytest.param(lambda folder: flip(folder / "global" / "pg_filenode.map", 20), "map-damaged", 1, id="file-map"),
        pytest.param(lambda folder: [path.unlink() for path in (folder / "pg_wal").glob("0*")], "logs-missing", 3, id="no-log"),
    ],
)  # fmt: skip
def test_damage_is_found_and_placed(copy: Path, damage: Callable[[Path], object], code: str, exit_code: int) -> None:
    damage(copy)
    run = verified(copy)
    assert code in run.codes and run.code == exit_code, run.document["findings"]
    assert run.document["rung"] == "identified"


def test_every_flip_of_what_the_manifest_covers_is_found(copy: Path) -> None:
    lots = random.Random(15)
    listed = [file["Path"] for file in json.loads((copy / "backup_manifest").read_text())["Files"] if file["Size"]]
    for _ in range(25):
        path = copy / lots.choice(listed)
        at, bit = lots.randrange(path.stat().st_size), lots.randrange(8)
        flip(path, at, bit)
        run = verified(copy)
        assert run.code == 1, (path, at)
        assert any(path.as_posix().endswith(item["place"]["file"] or "?") for item in run.document["findings"]), path
        flip(path, at, bit)
    assert verified(copy).code == 0


def test_pages_are_checked_where_no_manifest_covers_them(copy: Path) -> None:
    (copy / "backup_manifest").unlink()
    path = relation(copy)
    flip(path, 3 * 8192 + 4000)
    zeroed = bytearray(path.read_bytes())
    zeroed[8192 : 2 * 8192] = bytes(8192)
    swapped = path.with_name(path.name)
    path.write_bytes(zeroed)

    run = verified(copy)

    [found] = [item for item in run.document["findings"] if item["severity"] != "note"]
    assert found["code"] in {"page-damaged", "page-torn"}
    assert (found["place"]["stored_from"], found["place"]["stored_to"]) == (3 * 8192, 4 * 8192)
    assert swapped.exists() and "page 3" in found["message"]


def test_pages_that_changed_places_are_found(copy: Path) -> None:
    (copy / "backup_manifest").unlink()
    path = relation(copy)
    data = bytearray(path.read_bytes())
    data[0:8192], data[8192:16384] = data[8192:16384], data[0:8192]
    path.write_bytes(data)

    found = [
        item["place"]["stored_from"] for item in verified(copy).document["findings"] if item["code"].startswith("page-")
    ]

    assert found == [0, 8192]


def test_the_log_that_is_needed_is_followed_record_by_record(copy: Path) -> None:
    label = read_label((copy / "backup_label").read_bytes())
    assert label is not None
    segment = next(
        path
        for path in sorted((copy / "pg_wal").iterdir())
        if path.is_file() and label.start // (1 << 20) % 256 == int(path.name[-2:], 16)
    )
    whole = segment.read_bytes()
    start = label.start % (1 << 20)
    for at in range(start, start + 48):  # its first record
        flip(segment, at)
        run = verified(copy)
        assert run.code in {1, 3} and {"log-damaged", "logs-missing"} & set(run.codes), at
        segment.write_bytes(whole)
    other = bytearray(whole)
    other[24:32] = (4711).to_bytes(8, "little")
    segment.write_bytes(other)
    assert "of another cluster" in verified(copy).document["findings"][0]["message"]


def test_bad_before_the_backup_is_told_apart_from_bad_since(cluster: PostgresServer, tmp_path: Path) -> None:
    """The manifest agrees with what the page checksum denies."""
    backup = cluster.base_backup(folder_for_all(tmp_path) / "base", "--manifest-checksums=NONE")
    path = relation(backup)
    flip(path, 4000)
    since = verified(backup).document["findings"][0]
    assert since["code"] in {"page-damaged", "page-torn"}


def test_no_seal_is_written_for_a_base_backup(plain: Path) -> None:
    assert verdict_of("seal", plain)[1] == 2


def test_hostile_tars_reach_nothing(plain: Path, tmp_path: Path) -> None:
    tars = tmp_path / "tars"
    tars.mkdir()
    with tarfile.open(tars / "base.tar", "w", format=tarfile.USTAR_FORMAT) as tar:
        tar.add(plain / "backup_label", "backup_label")
        for name in ("PG_VERSION", "global/pg_control"):
            tar.add(plain / name, name)
        for name, target in (
            ("../../out", None),
            ("/etc/out", None),
            ("base/link", "/etc/passwd"),
            ("pg_tblspc/1", "/"),
        ):
            entry = tarfile.TarInfo(name)
            if target:
                entry.type, entry.linkname = tarfile.SYMTYPE, target
            tar.addfile(entry)

    run = verified(tars)

    assert run.code == 3 and run.codes.count("file-strange") == 3
    assert run.document["result"]["tablespaces"] == ["1"]


@pytest.mark.parametrize("kept", [600, 3000, 40_000])
def test_a_tar_that_is_cut_off(plain: Path, tmp_path: Path, kept: int) -> None:
    tars = tmp_path / "tars"
    tars.mkdir()
    with tarfile.open(tars / "whole.tar", "w", format=tarfile.USTAR_FORMAT) as tar:
        tar.add(plain / "backup_label", "backup_label")
        tar.add(plain / "PG_VERSION", "PG_VERSION")
        tar.add(plain / "base", "base")
    (tars / "base.tar").write_bytes((tars / "whole.tar").read_bytes()[:kept])
    (tars / "base2.tar.gz").write_bytes(gzip.compress(b""))

    run = verified(tars)

    assert run.code == 1 and {"tar-damaged", "control-missing"} & set(run.codes)


def test_the_ledger_knows_a_folder_by_its_files(plain: Path, copy: Path) -> None:
    assert verified(plain).code == 0
    assert verdict_of("ledger", copy) == ("sound", 0)
    flip(relation(copy), 100)
    assert verdict_of("ledger", copy) == ("unproven", 3)


def test_survey_and_drill_know_them(plain: Path, cluster: PostgresServer, tmp_path: Path) -> None:
    tars = cluster.base_backup(folder_for_all(tmp_path) / "tars" / "monday", "-F", "t", "-z")
    shutil.copytree(plain, tmp_path / "folders" / "sunday", symlinks=True)
    system = sospes("inspect", plain, "--json").document["result"]["system_identifier"]
    words = [f'[[target]]\nname = "pier"\nplaces = ["folders"]\nsystem = "{system}"\n']
    (tmp_path / "night.toml").write_text("".join(words))

    surveyed = sospes("survey", tmp_path, "--json").document["result"]
    drilled = sospes("drill", tmp_path / "night.toml", "--json")

    backups = {item["path"]: (item["format"], item["kind"], item["reason"]) for item in surveyed["backups"]}
    assert backups[str(tmp_path / "folders" / "sunday")] == ("pg-base", "full", None)
    assert backups[str(tars)] == ("pg-base", "full", None)
    assert f"postgresql system {system}" in {item["id"] for item in surveyed["lineages"]}
    assert drilled.code == 0, drilled.document["findings"]
    assert drilled.document["result"]["targets"][0]["rung"] == "intact"


def test_an_incremental_one_by_itself_is_unproven(copy: Path) -> None:
    (copy / "backup_manifest").unlink()
    with (copy / "backup_label").open("a") as file:
        file.write("INCREMENTAL FROM LSN: 0/1000028\nINCREMENTAL FROM TLI: 1\n")

    run = verified(copy)

    assert (run.code, run.codes) == (3, ["base-missing"])
    assert (run.document["result"]["kind"], run.document["result"]["follows"]) == ("incremental", "0/1000028")


def test_settings_for_a_standby_are_no_damage(cluster: PostgresServer, tmp_path: Path) -> None:
    backup = cluster.base_backup(folder_for_all(tmp_path) / "base", "-R")
    run = verified(backup)
    assert (run.code, [item["code"] for item in run.document["findings"]]) == (0, ["settings-added"])


def test_pages_that_a_server_makes_anew_and_control_files_of_another_version(copy: Path) -> None:
    (copy / "backup_manifest").unlink()
    fsm = next(path for path in copy.rglob("*_fsm") if path.stat().st_size > 8192)
    flip(fsm, 8192 + 100)
    assert "map-page-damaged" in [item["code"] for item in verified(copy).document["findings"]]

    control = copy / "global" / "pg_control"
    control.write_bytes(control.read_bytes()[:8] + (9999).to_bytes(4, "little") + control.read_bytes()[12:])
    run = verified(copy)
    assert run.code == 3 and "control-unknown" in run.codes


def test_a_manifest_at_the_end_of_a_tar(cluster: PostgresServer, tmp_path: Path) -> None:
    for algorithm, codes in (("SHA256", []), ("SHA512", ["checksum-unread"])):
        folder = folder_for_all(tmp_path) / algorithm
        backup = cluster.base_backup(folder, "-F", "t", "-X", "fetch", f"--manifest-checksums={algorithm}")
        one = tmp_path / f"{algorithm}.tar"
        shutil.copyfile(backup / "base.tar", one)
        with tarfile.open(one, "a", format=tarfile.USTAR_FORMAT) as tar:
            tar.add(backup / "backup_manifest", "backup_manifest")

        run = verified(one)

        assert sorted(set(run.codes)) == codes, run.document["findings"][:3]


def test_odd_things_in_the_folder(copy: Path) -> None:
    (copy / "base" / "link").symlink_to("/etc/hostname")
    (copy / "pg_tblspc" / "9").symlink_to("/")
    run = verified(copy)
    assert (run.code, run.codes) == (3, ["file-strange"])


def test_pages_of_an_unusual_size_in_a_tar(plain: Path, tmp_path: Path) -> None:
    """No page is called damaged that was only read in the wrong shape."""
    control = bytearray((plain / "global" / "pg_control").read_bytes())
    control[216:220] = (16384).to_bytes(4, "little")
    control[288:292] = crc32c.crc32c(bytes(control[:288])).to_bytes(4, "little")
    (tmp_path / "pg_control").write_bytes(control)
    one = tmp_path / "base.tar"
    with tarfile.open(one, "w", format=tarfile.USTAR_FORMAT) as tar:
        for name in ("backup_label", "PG_VERSION", "base/1", "pg_wal"):
            tar.add(plain / name, name)
        tar.add(tmp_path / "pg_control", "global/pg_control")

    run = verified(one)

    assert (run.code, run.codes) == (3, ["pages-unread"]), run.document["findings"]


def test_a_log_on_another_volume(copy: Path, tmp_path: Path) -> None:
    shutil.move(copy / "pg_wal", tmp_path / "elsewhere")
    (tmp_path / "elsewhere" / "0000000100000000000000ZZ").write_bytes(b"no segment")
    (copy / "pg_wal").symlink_to(tmp_path / "elsewhere")
    run = verified(copy)
    assert (run.code, run.document["result"]["logs_inside"]) == (0, True), run.document["findings"]


@pytest.mark.parametrize("options", [["--manifest-checksums=SHA256"], ["--no-manifest"]])
def test_taken_from_a_standby(tmp_path: Path, options: list[str]) -> None:
    if not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    folder = folder_for_all(tmp_path)
    with PostgresServer(None, "--data-checksums", "--wal-segsize=1") as primary:
        primary.run_sql("postgres", FILL)
        data = primary.base_backup(folder / "standby", "-R")
        place = folder_for_all(Path(tempfile.mkdtemp(prefix="sospes-test-")))
        words = ["-D", str(data), "-w", "-l", str(place / "log"), "-o", f"-k {place} -c listen_addresses= -c fsync=off"]
        _run([f"{primary.binaries}/pg_ctl", *words, "start"], primary.user)
        try:
            primary.run_sql("postgres", "UPDATE boat SET name = name || 'z'; SELECT pg_switch_wal(); CHECKPOINT")
            target = folder / "backup"
            _run(
                [f"{primary.binaries}/pg_basebackup", "-h", str(place), "-U", "postgres", "-D", str(target), *options],
                primary.user,
            )
        finally:
            _run([f"{primary.binaries}/pg_ctl", "-D", str(data), "-m", "immediate", "stop"], primary.user, check=False)
            shutil.rmtree(place)

    run = verified(target)
    assert run.code == 0, run.document["findings"]


def catalogued(server: PostgresServer) -> dict[tuple[str, str], str]:
    """The files of everybody's tables and indexes, as the server tells them."""
    sql = (
        "SELECT n.nspname, c.relname, pg_relation_filepath(c.oid) FROM pg_class c JOIN pg_namespace n "
        "ON n.oid = c.relnamespace WHERE relkind IN ('r', 'i', 'm') AND nspname !~ '^pg_|^information'"
    )
    lines = server.query("postgres", sql).decode().splitlines()
    return {(line.split("|")[0], line.split("|")[1]): line.split("|")[2] for line in lines}


@pytest.fixture(scope="module")
def named(cluster: PostgresServer, tmp_path_factory: pytest.TempPathFactory) -> tuple[Path, dict[tuple[str, str], str]]:
    """A base backup of tables with names, some of them rewritten, moved, rolled back; and their files."""
    cluster.run_sql(
        "postgres",
        """CREATE SCHEMA "the pier"; CREATE TABLE "the pier"."Rett""er" (id integer, log text);
        INSERT INTO "the pier"."Rett""er" SELECT n, 'x' FROM generate_series(1, 500) n;
        INSERT INTO "the pier"."Rett""er" SELECT 0, string_agg(md5(n::text), '') FROM generate_series(1, 3000) n;
        CREATE INDEX "by log" ON "the pier"."Rett""er" (id);
        CREATE TABLE rewritten (id integer); INSERT INTO rewritten VALUES (1); VACUUM FULL rewritten;
        CREATE MATERIALIZED VIEW seen AS SELECT 1 AS one;
        BEGIN; CREATE TABLE gone_again (id integer); ROLLBACK;
        CREATE TABLE dropped (id integer); DROP TABLE dropped;
        ALTER TABLE rewritten RENAME TO renamed; CHECKPOINT;""",
    )
    backup = cluster.base_backup(folder_for_all(tmp_path_factory.mktemp("named")) / "base", "--no-manifest")
    return backup, catalogued(cluster)


def test_names_of_tables_come_from_the_catalogs_own_pages(named: tuple[Path, dict[tuple[str, str], str]]) -> None:
    backup, files = named
    found = sospes("inspect", backup, "--contents", "--json").document["result"]

    both = [*found["tables"], *found["objects"]]
    told = {(item["schema"], item["name"]) for item in both if item.get("kind") not in {"sequence"}}
    assert told == set(files)
    table = next(item for item in found["tables"] if item["name"] == 'Rett"er')
    assert (table["database"], table["rows"]) == ("postgres", None)
    size = (backup / files["the pier", 'Rett"er']).stat().st_size
    assert table["size_bytes"] > size  # what holds its long values counts, too
    assert {item["kind"] for item in found["objects"]} >= {"index", "materialized view"}
    out = sospes("inspect", backup, "--contents").out
    assert 'the pier.Rett"er' in out and "gone_again" not in out and "dropped" not in out


def test_damage_names_the_table_that_it_is_in(named: tuple[Path, dict[tuple[str, str], str]], tmp_path: Path) -> None:
    backup, files = named
    copy = Path(shutil.copytree(backup, tmp_path / "copy"))
    for name, kind in ((("the pier", "by log"), "index"), (("the pier", 'Rett"er'), "table")):
        flip(copy / files[name], 8192 + 4000 if kind == "table" else 6000)
        run = verified(copy)
        place = next(item["place"] for item in run.document["findings"] if item["place"]["table"] == name[1])
        assert (run.code, place["database"], place["schema"]) == (1, "postgres", "the pier")
        assert any(f"{kind} the pier.{name[1]}" in finding["message"] for finding in run.document["findings"])


def test_catalogs_that_cannot_be_read_are_said(plain: Path, copy: Path) -> None:
    name = next((copy / "global").glob("1262")).name
    data = bytearray((copy / "global" / name).read_bytes())
    data[12:14] = b"\0\0"
    (copy / "global" / name).write_bytes(data)
    assert "catalog-unread" in [finding["code"] for finding in verified(copy).document["findings"]]


def test_a_page_that_is_newer_than_the_backup(cluster: PostgresServer, copy: Path) -> None:
    """Its checksum holds, as it is a page of the same table at another time."""
    path = relation(copy)
    page = bytearray(path.read_bytes()[:8192])
    struct.pack_into("<II", page, 0, 0xFF, 0)
    words = np.frombuffer(bytes(page), "<u4").reshape(1, -1)
    part = int(path.suffix[1:]) if path.suffix else 0
    struct.pack_into("<H", page, 8, int(checksums(words, np.array([part * 131072], np.uint32))[0]))
    with path.open("r+b") as file:
        file.write(page)
    (copy / "backup_manifest").unlink()

    run = verified(copy)

    assert (run.code, run.codes) == (1, ["page-too-new"])


def test_a_label_of_another_backup(copy: Path) -> None:
    label = copy / "backup_label"
    text = label.read_text()
    start = read_label(text.encode())
    assert start is not None
    (copy / "backup_manifest").unlink()
    label.write_text(text.replace("START WAL LOCATION: 0/", "START WAL LOCATION: FF/"))
    assert "label-foreign" in verified(copy).codes
    label.write_text(text.replace("BACKUP FROM: primary", "BACKUP FROM: standby"))
    assert "label-foreign" in verified(copy).codes
    label.write_text(text)
    (copy / "PG_VERSION").write_text("17\n")
    assert "version-foreign" in verified(copy).codes


def test_a_snapshot_whose_last_record_is_torn(tmp_path: Path) -> None:
    """A server that was killed, and copied in one moment: what it had not ended to write is no fault."""
    with PostgresServer(None, "--data-checksums", "--wal-segsize=1") as server:
        server.run_sql("postgres", FILL)
        server.stop()
        copy = Path(shutil.copytree(server.folder / "data", tmp_path / "copy"))
    run = verified(copy)
    assert run.code == 3 and set(run.codes) <= {"label-missing", "server-running"}, run.document["findings"]

    segment = sorted(path for path in (copy / "pg_wal").iterdir() if len(path.name) == 24)
    filled = [path for path in segment if path.read_bytes().strip(b"\0")]
    data = bytearray(filled[-1].read_bytes())
    end = len(data.rstrip(b"\0"))
    data[end - 8] ^= 1
    filled[-1].write_bytes(data)
    found = [finding["code"] for finding in verified(copy).document["findings"]]
    assert "log-ends-torn" in found or "log-damaged" not in found


@pytest.mark.parametrize("length", [700_001, 8192, (1 << 20) + 5000])
def test_a_segment_of_another_length(copy: Path, length: int) -> None:
    """Also where all that is needed of the log lies before the cut."""
    segment = next(path for path in (copy / "pg_wal").iterdir() if len(path.name) == 24)
    data = segment.read_bytes()
    segment.write_bytes((data + data)[:length])
    run = verified(copy)
    assert (run.code, run.codes[0]) == (1, "log-cut")


@pytest.mark.parametrize("gone", ["global", "base", "pg_wal", "PG_VERSION backup_label", "global pg_wal pg_xact"])
def test_half_a_backup(copy: Path, gone: str) -> None:
    for name in gone.split():
        path = copy / name
        shutil.rmtree(path) if path.is_dir() else path.unlink()
    run = verified(copy)
    assert run.document["result"]["format"] == "pg-base"
    assert run.code == (3 if gone == "pg_wal" else 1), run.document["findings"]

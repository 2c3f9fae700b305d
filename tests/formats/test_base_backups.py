"""Base backups as a real server writes them: sound ones in every shape, and what is found in damaged ones."""

from __future__ import annotations

import json
import shutil
import struct
import subprocess
import sys
import tarfile
import tempfile
from pathlib import Path

import crc32c
import psycopg
import pytest

from sospes.formats.base.label import read_label
from tests.conftest import _servers_or_skip, folder_for_all, sospes, verdict_of
from tests.formats.bases import FILL, flip, relation, verified
from tests.servers import PostgresServer, _run, postgres_folders

pytestmark = pytest.mark.servers


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


def test_no_seal_is_written_for_a_base_backup(plain: Path) -> None:
    assert verdict_of("seal", plain)[1] == 2


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

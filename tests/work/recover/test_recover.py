"""Base backups restored to a moment on a private server of their own version: rows, reached moments, refusals, walls."""

from __future__ import annotations

import gzip
import os
import shutil
import signal
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import psutil
import psycopg
import pytest

from sospes.formats.base.increments import MAGIC
from sospes.formats.base.laying import FOLDERS, lay_out
from sospes.formats.base.members import Folder
from sospes.model.errors import CannotCheck
from sospes.model.moments import offset_of
from sospes.sides.postgresql.recovered import by_modules
from sospes.sides.servers.private import PREFIX
from sospes.work.restore.recover import short_of
from tests.conftest import Run, _servers_or_skip, folder_for_all, sospes
from tests.servers import Adopted, PostgresServer, archive_folder, newer_postgres_folders, postgres_folders
from tests.worlds import ARCHIVING, World

servers = pytest.mark.servers


@pytest.fixture(autouse=True)
def nothing_left() -> Iterator[None]:
    """No private server stays, whatever happens."""
    before = set(Path(tempfile.gettempdir()).glob(f"{PREFIX}*"))
    yield
    assert set(Path(tempfile.gettempdir()).glob(f"{PREFIX}*")) <= before


def rehearsed(*words: str | Path) -> Run:
    """What a rehearsal shows."""
    return sospes("rehearse", *words, "--json", "--no-ledger")


def rows(run: Run) -> dict[str, int]:
    """Rows by table."""
    return {table["name"]: table["rows"] for table in run.document["result"]["tables"]}


def reached(run: Run) -> dict[str, Any]:
    """The moment that was reached."""
    found: dict[str, Any] = run.document["result"]["reached"]
    return found


@servers
def test_the_newest_state_and_the_backups_own(world: World) -> None:
    own = rehearsed(world.backup)
    assert (own.code, own.document["rung"]) == (0, "consistent"), own.document["findings"]
    assert rows(own) == {"boat": 0}
    side = own.document["result"]["side"]
    assert (side["kind"], side["engine_version"][:2], side["confined"]) == (
        "private", "15", ["files", "sockets", "network", "processes"],
    )  # fmt: skip

    newest = rehearsed(world.backup, "--with", world.archive)
    assert newest.code == 0, newest.document["findings"]
    assert rows(newest) == {"boat": 5001, "notes": 1}
    assert (offset_of(reached(newest)["lsn"]) or 0) >= (offset_of(world.last_lsn) or 0)
    used = [part for part in newest.document["result"]["parts"] if part["used"]]
    assert used and all(part["kind"] == "log" for part in used)
    assert "restored on" in sospes("rehearse", world.backup, "--no-ledger").out


@servers
@pytest.mark.parametrize("way", ["time", "before-time", "name", "transaction", "lsn"])
def test_just_before_the_mistake(world: World, tmp_path: Path, way: str) -> None:
    """By every way to name a moment; the log packed, and in three places."""
    places = [tmp_path / name for name in ("one", "two", "three")]
    for place in places:
        place.mkdir()
    for number, path in enumerate(sorted(world.archive.iterdir())):
        data = path.read_bytes()
        if number % 3:
            (places[number % 3] / f"{path.name}.gz").write_bytes(gzip.compress(data))
        else:
            (places[0] / path.name).write_bytes(data)
    newest = rehearsed(world.backup, "--with", places[0], "--with", places[1], "--with", places[2])
    mistake = int(reached(newest)["transaction"]) - 1
    words = {
        "time": ["--until", world.started_at],
        "before-time": ["--before", world.started_at],
        "name": ["--until", f"name={world.point}"],
        "transaction": ["--before", f"transaction={mistake}"],
        "lsn": ["--until", "lsn=" + str(reached(rehearsed(world.backup, "--with", world.archive, "--until", f"name={world.point}"))["lsn"])],
    }[way]  # fmt: skip

    run = rehearsed(world.backup, *(word for place in places for word in ("--with", place)), *words)

    assert (run.code, rows(run)) == (0, {"boat": 9000}), run.document["findings"]
    assert reached(run)["time"][:19].replace("T", " ") <= world.started_at[:19]


@servers
def test_over_a_promotion(world: World) -> None:
    run = rehearsed(world.backup, "--with", world.promoted)
    assert (run.code, rows(run)) == (0, {"boat": 5002, "notes": 1}), run.document["findings"]


@servers
def test_moments_outside_of_the_window(world: World) -> None:
    for moment in ("2001-01-01", "lsn=0/10"):
        run = rehearsed(world.backup, "--with", world.archive, "--until", moment)
        assert run.code == 2, run.document
    run = rehearsed(world.backup, "--with", world.archive, "--until", "2999-01-01")
    assert (run.code, run.codes) == (3, ["moment-past-end"])
    assert rows(run) == {"boat": 5001, "notes": 1} and reached(run)["time"] is not None
    assert rehearsed(world.backup, "--with", world.archive, "--until", "transaction=99999").codes == ["moment-past-end"]


@servers
def test_logs_that_are_missing_or_damaged(world: World, tmp_path: Path) -> None:
    bare = Path(shutil.copytree(world.backup, tmp_path / "bare"))
    for path in (bare / "pg_wal").glob("0*"):
        path.unlink()
    run = rehearsed(bare)
    assert run.code == 3 and "logs-missing" in run.codes and reached(run) is None
    assert rehearsed(bare, "--with", world.archive).code == 0

    logs = Path(shutil.copytree(world.archive, tmp_path / "logs"))
    names = sorted(path for path in logs.iterdir() if len(path.name) == 24)
    data = bytearray(names[-2].read_bytes())
    data[400_000] ^= 1
    names[-2].write_bytes(data)
    run = rehearsed(world.backup, "--with", logs, "--until", "2999-01-01")
    assert run.code == 1 and {"log-damaged", "moment-past-end"} <= set(run.codes)
    assert (offset_of(reached(run)["lsn"]) or 0) < (offset_of(world.last_lsn) or 0)


@servers
def test_files_that_no_server_starts_with(world: World, tmp_path: Path) -> None:
    copy = Path(shutil.copytree(world.backup, tmp_path / "copy"))
    (copy / "backup_manifest").unlink()
    shutil.rmtree(copy / "pg_xact")
    run = rehearsed(copy)
    assert run.code == 1 and "recovery-failed" in run.codes, run.document["findings"]
    assert reached(run) is None and run.document["rung"] == "identified"


@servers
def test_no_server_of_its_version(world: World, tmp_path: Path) -> None:
    copy = Path(shutil.copytree(world.backup, tmp_path / "copy"))
    (copy / "PG_VERSION").write_text("14\n")
    run = rehearsed(copy)
    assert run.code == 3
    assert "postgresql-14" in run.document["findings"][0]["advice"]
    assert rehearsed(world.backup, "--side", "embedded").code == 2
    assert rehearsed(world.backup, "--keep").code == 2


def test_other_forms_have_no_moments() -> None:
    dump = Path(__file__).parents[2] / "dumps" / "postgresql-18.sql"
    for words in (["--until", "2026-11-25"], ["--with", str(dump.parent)]):
        assert rehearsed(dump, *words).code == 2


@servers
def test_tablespaces_unlogged_tables_and_prepared_transactions(tmp_path: Path) -> None:
    if not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    folder = folder_for_all(tmp_path)
    with PostgresServer(None, "--wal-segsize=1", settings=("max_prepared_transactions=5",)) as server:
        quay = server.folder / "quay"
        server.run_sql("postgres", f"COPY (SELECT 1) TO PROGRAM 'mkdir {quay}'")
        server.run_sql("postgres", f"CREATE TABLESPACE quay LOCATION '{quay}'")
        server.run_sql("postgres", "CREATE TABLE boat (id integer PRIMARY KEY) TABLESPACE quay")
        server.run_sql(
            "postgres", "INSERT INTO boat SELECT generate_series(1, 500); CREATE UNLOGGED TABLE draft (id integer)"
        )
        server.run_sql(
            "postgres", "INSERT INTO draft VALUES (1); BEGIN; INSERT INTO boat VALUES (900); PREPARE TRANSACTION 'p'"
        )
        tars = server.base_backup(folder / "tars", "-F", "t", "-z")
        server.run_sql("postgres", "COMMIT PREPARED 'p'")
    run = rehearsed(tars)
    assert run.code == 0, run.document["findings"]
    assert rows(run) == {"boat": 500, "draft": 0}


@servers
@pytest.mark.parametrize("binaries", [None, *newer_postgres_folders()[:1]])
def test_a_hostile_cluster_reaches_nothing(binaries: Path | None, tmp_path: Path) -> None:
    """Its configuration, settings of databases and roles, event and login triggers, subscriptions don't act."""
    if binaries is None and not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    folder = folder_for_all(tmp_path)
    canary = Path(tempfile.gettempdir()) / f"canary-{folder.parent.name}-{folder.name}"
    hostile = [
        f"ALTER SYSTEM SET archive_cleanup_command = 'touch {canary}'",
        f"CREATE FUNCTION touch() RETURNS integer LANGUAGE plpgsql AS $$ BEGIN "
        f"COPY (SELECT 1) TO PROGRAM 'cat > {canary} || cat'; RETURN 1; END $$",
        "CREATE VIEW looked AS SELECT touch(); CREATE TABLE fired (id integer)",
        "CREATE FUNCTION fire() RETURNS event_trigger LANGUAGE plpgsql AS $$ BEGIN "
        "INSERT INTO public.fired VALUES (1); PERFORM public.touch(); END $$",
        "CREATE SUBSCRIPTION follows CONNECTION 'host=127.0.0.1 port=1' PUBLICATION p WITH (connect = false);"
        "ALTER SUBSCRIPTION follows SET (slot_name = s); ALTER SUBSCRIPTION follows ENABLE",
        "CREATE EVENT TRIGGER fires ON ddl_command_start EXECUTE FUNCTION fire();"
        "ALTER EVENT TRIGGER fires ENABLE ALWAYS",
        "ALTER ROLE ALL SET search_path = evil; ALTER ROLE ALL SET default_transaction_read_only = on;"
        "ALTER DATABASE postgres SET session_preload_libraries = 'nowhere_at_all'",
    ]
    if binaries is not None:
        hostile.insert(-1, "CREATE EVENT TRIGGER enters ON login EXECUTE FUNCTION fire(); "
                           "ALTER EVENT TRIGGER enters ENABLE ALWAYS")  # fmt: skip
    with PostgresServer(binaries, settings=("wal_level=logical",)) as server:
        for sql in hostile:
            server.run_sql("postgres", sql)
        backup = server.base_backup(folder / "base", "-R")
        programs = server.binaries
    canary.unlink(missing_ok=True)  # what the source did is its own affair
    (backup / "postgresql.conf").write_text(
        f"archive_mode = always\narchive_command = 'touch {canary}'\nshared_preload_libraries = 'nowhere'\n"
        f"restore_command = 'touch {canary}'\nrecovery_end_command = 'touch {canary}'\n"
    )
    (backup / "backup_manifest").unlink()
    before = len(psutil.Process().children(recursive=True))

    run = rehearsed(backup, "--server-bin", programs)
    out = sospes("extract", backup, "fired", "--as", "csv", "--out", tmp_path / "fired.csv", "--server-bin", programs)

    assert not canary.exists()
    assert run.code == 0, run.document["findings"]
    entered = rows(run).get("fired", 0)  # what its own sessions did while the backup was taken
    assert entered == 0 if binaries is None else entered < 4
    assert "own-superusers" in [finding["code"] for finding in run.document["findings"]]
    assert out.code == 0, out.err
    assert len((tmp_path / "fired.csv").read_text().splitlines()) == 1 + entered
    assert len(psutil.Process().children(recursive=True)) == before


@servers
def test_a_kept_data_directory_starts_by_hand(world: World, tmp_path: Path) -> None:
    folder = folder_for_all(tmp_path)
    kept = folder / "kept"
    run = rehearsed(world.backup, "--with", world.archive, "--until", f"name={world.point}", "--keep", kept)

    assert run.code == 0, run.document["findings"]
    side = run.document["result"]["side"]
    assert (side["kept"], side["location"]) == (True, str(kept))
    assert any("postgresql.conf" in change for change in run.document["result"]["changed"])
    with Adopted(kept) as server:
        assert server.query("postgres", "SELECT count(*) FROM boat").decode().strip() == "9000"
        assert server.query("postgres", "SELECT rolname FROM pg_roles WHERE rolname LIKE 'sospes%'") == b""
        assert server.query("postgres", "SELECT 1 FROM pg_extension WHERE extname = 'amcheck'") == b""
        server.run_sql("postgres", "INSERT INTO boat VALUES (9001, 'Osprey')")
    text = sospes("rehearse", world.backup, "--no-ledger", "--keep", folder / "again").out
    assert "changed: " in text and "the side copy is kept" in text
    for words in (["--keep"], ["--keep", str(kept)], ["--keep", str(folder / "no" / "where")]):
        refused = rehearsed(world.backup, *words)
        assert refused.code == 2, (words, refused.out)


@servers
def test_a_killed_recovery_is_found_and_tidied(world: World, tmp_path: Path) -> None:
    """Whenever it is killed, the backup's files are as they were, and tidy finds what is left."""
    work = folder_for_all(tmp_path)
    before = {path: path.stat().st_mtime_ns for path in world.backup.rglob("*") if path.is_file()}
    for seconds in (0.8, 1.6, 2.4, 3.2):
        command = [sys.executable, "-m", "sospes", "extract", str(world.backup), "boat", "--with", str(world.archive),
                   "--out", str(work / "boat.sql"), "--work-folder", str(work)]  # fmt: skip
        child = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
        time.sleep(seconds)
        child.send_signal(signal.SIGKILL)
        child.wait()
        assert sospes("tidy", work, "--drop", "--json").code == 0
        left = [path.name for path in work.iterdir() if path.name != "boat.sql"]
        assert left == [], (seconds, left)
        (work / "boat.sql").unlink(missing_ok=True)
    assert {path: path.stat().st_mtime_ns for path in world.backup.rglob("*") if path.is_file()} == before
    interrupted = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.PIPE)
    time.sleep(1.5)
    interrupted.send_signal(signal.SIGTERM)
    _, err = interrupted.communicate(timeout=60)
    assert interrupted.returncode in {0, 130} and b"Traceback" not in err
    assert [path.name for path in work.iterdir() if path.name != "boat.sql"] == []


@servers
def test_a_prepared_transaction_counts_from_its_commit_on(tmp_path: Path) -> None:
    """And a moment in the midst of another one leaves that out."""
    if not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    folder = folder_for_all(tmp_path)
    archive = archive_folder(folder)
    with PostgresServer(None, "--wal-segsize=1", settings=(*ARCHIVING, "max_prepared_transactions=5")) as server:
        server.archive_into(archive)
        server.run_sql("postgres", "CREATE TABLE boat (id integer PRIMARY KEY)")
        backup = server.base_backup(folder / "base")
        number = "SELECT txid_current() % 4294967296"
        prepared = server.query("postgres", f"BEGIN; INSERT INTO boat VALUES (1); {number}; PREPARE TRANSACTION 'p'")
        amidst = server.query(
            "postgres", "BEGIN; INSERT INTO boat VALUES (2); SELECT pg_current_wal_insert_lsn(); COMMIT"
        )
        server.run_sql("postgres", "COMMIT PREPARED 'p'; INSERT INTO boat VALUES (3)")
        server.switch(archive)
    transaction = next(line for line in prepared.decode().split() if line.isdigit())
    lsn = next(line for line in amidst.decode().split() if "/" in line)
    for words, expected in (
        (["--before", f"transaction={transaction}"], 1), (["--until", f"transaction={transaction}"], 2),
        (["--until", f"lsn={lsn}"], 0), ([], 3),
    ):  # fmt: skip
        run = rehearsed(backup, "--with", archive, *words)
        assert (run.code, rows(run)) == (0, {"boat": expected}), (words, run.document["findings"])


@pytest.fixture(scope="module", params=["17", "18"])
def chain(request: pytest.FixtureRequest, tmp_path_factory: pytest.TempPathFactory) -> tuple[Path, list[Path]]:
    """A full backup and two incremental ones of a newer server, and the folder of its programs."""
    found = [path for path in newer_postgres_folders() if PostgresServer.version_of(path) == request.param]
    if not found:
        _servers_or_skip(f"no binaries of PostgreSQL {request.param}: name them in SOSPES_NEWER_POSTGRES")
    folder = folder_for_all(tmp_path_factory.mktemp("chain"))
    settings = ("summarize_wal=on", "wal_level=replica")
    with PostgresServer(found[0], "--data-checksums", "--wal-segsize=1", settings=settings) as server:
        server.run_sql(
            "postgres", "CREATE TABLE boat (id integer PRIMARY KEY, name text); CREATE TABLE gone (id integer)"
        )
        server.run_sql("postgres", "INSERT INTO boat SELECT n, repeat('boat ', 20) FROM generate_series(1, 20000) n")
        full = server.base_backup(folder / "full")
        server.run_sql("postgres", "UPDATE boat SET name = 'Osprey' WHERE id % 50 = 0; DROP TABLE gone")
        server.run_sql("postgres", "CREATE TABLE crew AS SELECT generate_series(1, 3000) AS id")
        first = server.base_backup(folder / "first", "-i", str(full / "backup_manifest"))
        server.run_sql("postgres", "DELETE FROM boat WHERE id > 5000; VACUUM boat; TRUNCATE crew")
        second = server.base_backup(folder / "second", "-i", str(first / "backup_manifest"), "-F", "t", "-X", "fetch")
    return found[0], [full, first, second]


@servers
def test_chains_are_put_together(chain: tuple[Path, list[Path]]) -> None:
    binaries, [full, first, second] = chain
    for backup, expected in (
        (full, {"boat": 20000, "gone": 0}), (first, {"boat": 20000, "crew": 3000}), (second, {"boat": 5000, "crew": 0}),
    ):  # fmt: skip
        run = rehearsed(backup, "--with", full.parent, "--server-bin", binaries)
        assert (run.code, rows(run)) == (0, expected), (backup.name, run.document["findings"])
    alone = rehearsed(second, "--server-bin", binaries)
    assert alone.code == 3 and "builds on" in alone.document["findings"][0]["message"]


def test_files_are_cloned_where_the_file_system_can(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """And copied where it can't, with the same result."""
    full, cloned, copied = tmp_path / "full", tmp_path / "cloned", tmp_path / "copied"
    (full / "base" / "5").mkdir(parents=True)
    (full / "base" / "5" / "1").write_bytes(bytes(8192) + b"x" * 8192)
    (full / "PG_VERSION").write_bytes(b"15\n")
    calls = []

    def clone(target: int, request: int, source: int) -> None:
        calls.append(request)
        os.sendfile(target, source, 0, 1 << 20)

    lay_out([Folder(full)], copied, 8192, 131072)
    monkeypatch.setattr("fcntl.ioctl", clone)
    lay_out([Folder(full)], cloned, 8192, 131072)

    assert len(calls) == 2
    files = [
        {path.relative_to(one): path.read_bytes() for path in one.rglob("*") if path.is_file()}
        for one in (cloned, copied)
    ]
    assert files[0] == files[1] and len(files[0]) == 2


def test_increments_are_laid_over_what_is_below(tmp_path: Path) -> None:
    """Pages are written over, files grow and shrink, what was dropped goes, and nothing but data is laid out."""
    pages = [bytes([number]) * 8192 for number in range(8)]
    full, more, target = tmp_path / "full", tmp_path / "more", tmp_path / "target"
    for place, data in (
        ("base/5/1", b"".join(pages[:4])), ("base/5/2", pages[0]), ("base/5/3", b"".join(pages[:6])), ("PG_VERSION", b"17\n"),
        ("postgresql.conf", b"evil"), ("backup_label", b"START\n"), ("standby.signal", b""), ("tablespace_map", b"1 /etc\n"),
    ):  # fmt: skip
        (full / place).parent.mkdir(parents=True, exist_ok=True)
        (full / place).write_bytes(data)

    def changed(numbers: list[int], least: int, data: bytes) -> bytes:
        head = b"".join(value.to_bytes(4, "little") for value in (MAGIC, len(numbers), least, *numbers))
        return head.ljust(8192, b"\0") + data if numbers else head

    for place, data in (
        ("base/5/INCREMENTAL.1", changed([1, 5], 4, pages[7] + pages[6])),
        ("base/5/INCREMENTAL.3", changed([], 2, b"")),
        ("PG_VERSION", b"17\n"),
        ("backup_label", b"START\nINCREMENTAL FROM LSN: 0/28\nINCREMENTAL FROM TLI: 1\nLABEL: x\n"),
    ):
        (more / place).parent.mkdir(parents=True, exist_ok=True)
        (more / place).write_bytes(data)
    target.mkdir()

    lay_out([Folder(full), Folder(more)], target, 8192, 131072)

    assert (target / "base/5/1").read_bytes() == pages[0] + pages[7] + pages[2] + pages[3] + bytes(8192) + pages[6]
    assert (target / "base/5/3").read_bytes() == pages[0] + pages[1]
    assert not (target / "base/5/2").exists()
    assert (target / "backup_label").read_bytes() == b"START\nLABEL: x\n"
    assert {path.name for path in target.iterdir() if path.is_file()} == {"PG_VERSION", "backup_label"}
    assert all((target / name).is_dir() for name in FOLDERS)

    (more / "base/5/INCREMENTAL.9").write_bytes(changed([1], 2, pages[1]))
    with pytest.raises(CannotCheck, match="no such file"):
        lay_out([Folder(full), Folder(more)], tmp_path / "again", 8192, 131072)
    (more / "base/5/INCREMENTAL.9").unlink()
    (more / "base/5/INCREMENTAL.1").write_bytes(changed([1, 5], 4, pages[7]))
    with pytest.raises(CannotCheck, match="ends too early"):
        lay_out([Folder(full), Folder(more)], tmp_path / "third", 8192, 131072)


@servers
def test_what_only_the_engine_can_tell(tmp_path: Path) -> None:
    """An index out of order, without page checksums and without a manifest; a collation of another version."""
    if not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    folder = folder_for_all(tmp_path)
    with PostgresServer(None, "--wal-segsize=1") as server:
        server.run_sql("postgres", "CREATE DATABASE pier TEMPLATE template0 LOCALE_PROVIDER icu ICU_LOCALE 'en'")
        server.run_sql("postgres", "UPDATE pg_database SET datcollversion = '1.2.3' WHERE datname = 'pier'")
        server.run_sql(
            "postgres", "CREATE TABLE boat (id integer PRIMARY KEY); INSERT INTO boat SELECT generate_series(1, 50)"
        )
        index = server.query("postgres", "SELECT pg_relation_filepath('boat_pkey')").decode().strip()
        backup = server.base_backup(folder / "base", "--no-manifest")
    with (backup / index).open("r+b") as file:
        file.seek(8192 + 24)
        pointers = file.read(16)
        file.seek(8192 + 24)
        file.write(pointers[:4] + pointers[8:12] + pointers[4:8] + pointers[12:])
    assert sospes("verify", backup, "--no-ledger").code == 0  # no checksum covers it

    run = rehearsed(backup)

    assert run.code == 1 and {"engine-check-failed", "collation-version"} <= set(run.codes), run.document["findings"]
    place = next(item["place"] for item in run.document["findings"] if item["code"] == "engine-check-failed")
    assert (place["database"], place["table"]) == ("postgres", "boat")


def test_a_recovery_that_ends_too_early_is_a_fault() -> None:
    assert [finding.code for finding in short_of(10, 20)] == ["recovery-short"]
    assert [finding.code for finding in short_of(None, 20)] == ["recovery-short"]
    assert list(short_of(20, 20)) == []


@servers
def test_a_drill_rehearses_them(world: World, tmp_path: Path) -> None:
    shutil.copytree(world.backup, tmp_path / "nights" / "monday")
    (tmp_path / "night.toml").write_text(
        f'[[target]]\nname = "pier"\nplaces = ["nights"]\nwith = ["{world.archive}"]\nrung = "consistent"\n'
    )
    run = sospes("drill", tmp_path / "night.toml", "--json")
    [target] = run.document["result"]["targets"]
    assert (run.code, target["rung"]) == (0, "consistent"), run.document["findings"]


@servers
def test_without_the_engines_checking_functions() -> None:
    found = [path for path in newer_postgres_folders() if PostgresServer.version_of(path) == "18"]
    if not found:
        _servers_or_skip("no binaries of PostgreSQL 18: name them in SOSPES_NEWER_POSTGRES")
    with PostgresServer(found[0]) as server, psycopg.connect(server.address("postgres"), autocommit=True) as session:
        assert [finding.code for finding in by_modules(session)] == []
        session.execute("SET extension_control_path = '/nowhere'")
        assert [finding.code for finding in by_modules(session)] == ["checks-missing"]

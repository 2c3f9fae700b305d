"""What logs of real servers tell that was done, held against what was done."""

from __future__ import annotations

import gzip
import shutil
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Any

import pytest

from sospes.formats.tracing.names import Names
from sospes.formats.wal.moments import main_data
from tests.conftest import Run, _servers_or_skip, folder_for_all, sospes
from tests.servers import PostgresServer, Standby, archive_folder, newer_postgres_folders, postgres_folders
from tests.worlds import ARCHIVING, World

servers = pytest.mark.servers

Told = tuple[str, str | None, int | None]
"""Kind, table (or database, with a colon behind it), rows."""

STEPS: list[tuple[str, str, list[Told]]] = [
    ("harbour", "INSERT INTO boat SELECT n, 'boat ' || n FROM generate_series(1, 500) n", [("insert", "boat", 500)]),
    ("harbour", "UPDATE boat SET name = 'Heron' WHERE id <= 40", [("update", "boat", 40)]),
    ("harbour", "DELETE FROM boat WHERE id BETWEEN 100 AND 199", [("delete", "boat", 100)]),
    ("harbour", "CREATE TABLE buoy (id int PRIMARY KEY, place text)", [("create", "buoy", None)]),
    (
        "harbour",
        "BEGIN; INSERT INTO buoy VALUES (1, 'a'), (2, 'b'); SAVEPOINT s; INSERT INTO buoy VALUES (3, 'c'); "
        "ROLLBACK TO s; SAVEPOINT t; DELETE FROM buoy WHERE id = 1; RELEASE t; COMMIT",
        [("abort", None, 1), ("insert", "buoy", 2), ("delete", "buoy", 1)],
    ),
    ("harbour", "BEGIN; DELETE FROM boat; ROLLBACK", [("abort", None, 400)]),
    ("harbour", "BEGIN; DROP TABLE buoy; ROLLBACK; SELECT 1", []),
    ("harbour", "BEGIN; ALTER TABLE buoy RENAME TO wrong; ROLLBACK; INSERT INTO buoy VALUES (5, 'e')",
     [("insert", "buoy", 1)]),
    ("harbour", "ALTER TABLE buoy RENAME TO float", [("alter", "float", None)]),
    ("harbour", "INSERT INTO float VALUES (7, 'g')", [("insert", "float", 1)]),
    ("harbour", "ALTER TABLE float ADD COLUMN seen date", [("alter", "float", None)]),
    ("harbour", "INSERT INTO float VALUES (7, 'g') ON CONFLICT DO NOTHING", []),
    ("harbour", "INSERT INTO float VALUES (8, 'h') ON CONFLICT DO NOTHING", [("insert", "float", 1)]),
    ("harbour", "VACUUM FULL pg_class; VACUUM FULL pg_namespace; VACUUM FULL pg_attribute", []),
    ("harbour", "TRUNCATE float", [("truncate", "float", None)]),
    ("harbour", "INSERT INTO float VALUES (5, 'o'); VACUUM FULL float; DELETE FROM float",
     [("insert", "float", 1), ("rewrite", "float", None), ("delete", "float", 1)]),
    ("harbour", "BEGIN; TRUNCATE float; INSERT INTO float VALUES (9, 'i'); COMMIT",
     [("insert", "float", 1), ("truncate", "float", None)]),
    ("harbour", "VACUUM FULL boat", [("rewrite", "boat", None)]),
    ("harbour", "DELETE FROM boat WHERE id = 1", [("delete", "boat", 1)]),
    ("harbour", "ALTER TABLE boat ALTER COLUMN id TYPE bigint", [("rewrite", "boat", 399)]),
    ("harbour", "CHECKPOINT", []),
    ("harbour", "VACUUM ANALYZE boat; CREATE INDEX ON boat (name); REINDEX TABLE boat; ANALYZE", []),
    ("harbour", "CREATE TABLE long AS SELECT 1 AS id, string_agg(md5(n::text), '') t FROM generate_series(1, 3000) n",
     [("insert", "long", 1), ("create", "long", None)]),
    ("harbour", "CREATE MATERIALIZED VIEW seen AS SELECT id FROM boat", [("insert", "seen", 399), ("create", "seen", None)]),
    ("harbour", "REFRESH MATERIALIZED VIEW seen", [("rewrite", "seen", 399)]),
    ("harbour", "CREATE TEMP TABLE passing AS SELECT 1 AS one; DROP TABLE passing", []),
    ("harbour", "BEGIN; CREATE TABLE brief (a int); INSERT INTO brief VALUES (1); DROP TABLE brief; COMMIT",
     [("insert", "brief", 1)]),
    ("harbour", "COPY boat (id, name) FROM PROGRAM 'seq 2000 4999 | sed s/$/,x/' CSV", [("insert", "boat", 3000)]),
    ("harbour", "UPDATE part SET side = 2 WHERE id = 3", [("delete", "part_one", 1), ("insert", "part_two", 1)]),
    ("harbour", "CREATE SCHEMA pier; CREATE TABLE pier.rope (id int)", [("create", "pier.rope", None)]),
    ("harbour", "INSERT INTO pier.rope VALUES (1)", [("insert", "pier.rope", 1)]),
    ("harbour", "ALTER SCHEMA pier RENAME TO mole; INSERT INTO mole.rope VALUES (2)", [("insert", "mole.rope", 1)]),
    ("harbour", "SELECT pg_create_restore_point('before the import')", [("mark", None, None)]),
    ("harbour", "BEGIN; INSERT INTO float VALUES (21, 'p'); PREPARE TRANSACTION 'later'", []),
    ("harbour", "INSERT INTO float VALUES (22, 'q')", [("insert", "float", 1)]),
    ("harbour", "COMMIT PREPARED 'later'", [("insert", "float", 1)]),
    ("harbour", "DROP TABLE boat CASCADE", [("drop", "seen", None), ("drop", "boat", None)]),
    ("postgres", "CREATE DATABASE copied TEMPLATE harbour", [("create", "copied:", None)]),
    ("copied", "INSERT INTO float VALUES (30, 'z')", [("insert", "float", 1)]),
    ("postgres", "DROP DATABASE copied", [("drop", "copied:", None)]),
    ("postgres", "CREATE DATABASE again TEMPLATE harbour STRATEGY file_copy", [("create", "again:", None)]),
    ("again", "DELETE FROM float WHERE id = 9", [("delete", "float", 1)]),
    ("harbour", "DROP SCHEMA mole CASCADE", [("drop", "mole.rope", None)]),
]  # fmt: skip

BEFORE = """
CREATE TABLE boat (id int PRIMARY KEY, name text);
CREATE TABLE part (id int, side int) PARTITION BY LIST (side);
CREATE TABLE part_one PARTITION OF part FOR VALUES IN (1);
CREATE TABLE part_two PARTITION OF part FOR VALUES IN (2);
INSERT INTO part VALUES (3, 1);
"""


@dataclass(frozen=True)
class Log:
    """An archive, the base backup before it, and the transactions of the steps."""

    archive: Path
    backup: Path
    url: str


def retraced(*words: str | Path) -> Run:
    """What retracing shows."""
    return sospes("retrace", *words, "--json")


def told(run: Run) -> list[Told]:
    """The operations, in short."""
    assert run.code == 0, run.document["findings"]
    return [_short(one) for one in run.document["result"]["operations"]]


def _short(one: dict[str, Any]) -> Told:
    if one["table"] is None:
        of = f"{one['database']}:" if one["kind"] in {"create", "drop"} else None
        return one["kind"], of, one["rows"]
    name = one["table"] if one["schema"] == "public" else f"{one['schema']}.{one['table']}"
    return one["kind"], name, one["rows"]


def _settings() -> Iterator[Any]:
    for binaries, compression, level in ((None, "pglz", "replica"), (None, "lz4", "logical"), (None, "off", "replica")):
        yield pytest.param(binaries, compression, level, id=f"15-{compression}-{level}")
    for binaries in newer_postgres_folders():
        yield pytest.param(binaries, "off", "replica", id=f"{PostgresServer.version_of(binaries)}-off-replica")


@servers
@pytest.mark.parametrize(("binaries", "compression", "level"), list(_settings()))
def test_everything_that_was_done(binaries: Path | None, compression: str, level: str, tmp_path: Path) -> None:
    if binaries is None and not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    folder = folder_for_all(tmp_path)
    archive = archive_folder(folder)
    settings = (
        "archive_mode=on", f"wal_level={level}", f"wal_compression={compression}", "max_prepared_transactions=4",
        "autovacuum=off",
    )  # fmt: skip
    with PostgresServer(binaries, settings=settings) as server:
        server.archive_into(archive)
        server.run_sql("postgres", "CREATE DATABASE harbour")
        server.run_sql("harbour", BEFORE)
        backup = server.base_backup(folder / "base")
        begin = server.query("postgres", "SELECT pg_current_wal_lsn()").decode().strip()
        for database, sql, _ in STEPS:
            server.run_sql(database, sql)
        server.switch(archive)

    run = retraced(archive, "--with", backup, "--limit", "1000", "--from", f"lsn={begin}")

    wanted = [told for _, _, expected in STEPS for told in expected]
    assert told(run) == wanted
    result = run.document["result"]
    first = result["operations"][0]
    assert result["last_good"] == {"before": f"transaction={first['transaction']}", "at": first["at"]}
    assert result["matched"] == len(wanted)
    assert all(one["complete"] and one["at"] and one["position"] and one["file"] for one in result["operations"])


@servers
def test_the_mistake_and_the_moment_before_it(world: World) -> None:
    run = retraced(world.archive, "--with", world.backup, "--table", "boat", "--kind", "delete,truncate,drop")

    assert told(run) == [("delete", "boat", 3999)]
    result = run.document["result"]
    [mistake] = result["operations"]
    assert world.started_at[:19] <= mistake["at"].replace("T", " ")[:19] <= world.deleted_at[:19]
    assert result["last_good"] == {"before": f"transaction={mistake['transaction']}", "at": mistake["at"]}
    assert result["totals"] == [
        {
            "database": "postgres", "schema": "public", "table": "boat", "table_file": None, "kind": "delete",
            "operations": 1, "rows": 3999, "first_at": mistake["at"], "last_at": mistake["at"],
        }
    ]  # fmt: skip
    text = sospes("retrace", world.archive, "--with", world.backup, "--table", "boat", "--kind", "delete").out
    assert f"--before transaction={mistake['transaction']}" in text.split("committed at")[0]
    before = sospes(
        "rehearse", world.backup, "--with", world.archive, "--before", result["last_good"]["before"], "--json"
    )
    assert [table["rows"] for table in before.document["result"]["tables"]] == [9000]


@servers
def test_from_and_to_every_kind_of_moment(world: World) -> None:
    places: list[str | Path] = [world.archive, "--with", world.backup, "--table", "boat"]
    everything = told(retraced(*places))
    assert everything == [("create", "boat", None), ("insert", "boat", 9000), ("delete", "boat", 3999)]
    mistake = retraced(*places, "--kind", "delete").document["result"]["operations"][0]
    for words in (
        ["--from", world.started_at], ["--from", f"name={world.point}"], ["--from", f"lsn={mistake['position']}"],
        ["--from", f"transaction={mistake['transaction']}"],
    ):  # fmt: skip
        assert told(retraced(*places, *words)) == everything[2:], words
    for words in (
        ["--to", world.started_at], ["--to", f"name={world.point}"], ["--to", f"lsn={mistake['position']}"],
        ["--to", f"transaction={int(mistake['transaction']) - 1}"],
    ):  # fmt: skip
        assert told(retraced(*places, *words)) == everything[:2], words
    told_of = retraced(*places, "--from", "2001-01-01 09:31").document["findings"]
    assert [one["code"] for one in told_of] == ["zone-assumed"]
    unseen = retraced(*places, "--from", "name=never set")
    assert (unseen.code, unseen.document["findings"][0]["code"]) == (3, "moment-unseen")
    assert retraced(*places, "--from", "yesterday").code == 2


@servers
def test_over_a_promotion_in_packed_files_from_three_places(world: World, tmp_path: Path) -> None:
    places = [tmp_path / name for name in ("one", "two", "three")]
    for place in places:
        place.mkdir()
    for number, path in enumerate(sorted(world.promoted.iterdir())):
        (places[number % 3] / f"{path.name}.gz").write_bytes(gzip.compress(path.read_bytes()))

    run = retraced(*places, "--with", world.backup, "--kind", "insert", "--table", "boat")

    assert told(run) == [("insert", "boat", 9000), ("insert", "boat", 1)]


@servers
def test_gaps_and_damage_are_told_and_the_rest_is_read(world: World, tmp_path: Path) -> None:
    whole = sorted(path for path in world.archive.iterdir() if path.suffix == "")
    for path in whole:
        shutil.copy(path, tmp_path)
    gone = tmp_path / whole[len(whole) // 2].name
    data = gone.read_bytes()
    gone.unlink()
    run = retraced(tmp_path, "--with", world.backup)
    assert run.code == 3
    assert "log-gap" in {finding["code"] for finding in run.document["findings"]}
    later = [one for one in run.document["result"]["operations"] if one["file"] > gone.name]
    assert later or whole[-1].name == gone.name

    broken = bytearray(data)
    broken[300_000:300_100] = bytes(100)
    gone.write_bytes(broken)
    run = retraced(tmp_path, "--with", world.backup)
    assert run.code == 1
    [fault] = [finding for finding in run.document["findings"] if finding["severity"] == "fault"]
    assert (fault["code"], Path(fault["place"]["file"]).name) == ("log-damaged", gone.name)


@servers
def test_without_names_it_says_so(world: World) -> None:
    run = retraced(world.archive)
    assert run.code == 0 and "names-unknown" in {finding["code"] for finding in run.document["findings"]}
    named = retraced(world.archive, "--table", "boat")
    assert named.code == 3
    wrong = retraced(world.archive, "--with", world.backup, "--table", "boot")
    assert wrong.code == 2 and "did you mean" in wrong.err


@servers
@pytest.mark.parametrize("level", ["logical", "replica"])
@pytest.mark.parametrize("binaries", [None, *newer_postgres_folders()])
def test_keys_where_the_log_has_them(binaries: Path | None, level: str, tmp_path: Path) -> None:
    """Over columns that were dropped, that are missing, and that are added later."""
    if binaries is None and not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    folder = folder_for_all(tmp_path)
    archive = archive_folder(folder)
    settings = ("archive_mode=on", f"wal_level={level}", "full_page_writes=off")
    with PostgresServer(binaries, "--wal-segsize=1", settings=settings) as server:
        server.archive_into(archive)
        server.run_sql(
            "postgres",
            "CREATE TABLE log (gone int, note text, at date, sign varchar(9), n smallint, u uuid, t timestamptz, ok bool, "
            "PRIMARY KEY (sign, at, n, u, t, ok)); ALTER TABLE log DROP COLUMN gone; CREATE TABLE keyless (a int)",
        )
        backup = server.base_backup(folder / "base")
        one = "NULL, '2026-11-25', 'RS7', 7, '00000000-0000-0000-0000-0000000000ff', '2026-11-25 09:31+00', true"
        server.run_sql(
            "postgres", f"INSERT INTO log VALUES ({one}); UPDATE log SET note = repeat('x', 300); DELETE FROM log"
        )
        server.run_sql("postgres", "ALTER TABLE log ADD COLUMN more int; INSERT INTO keyless VALUES (1)")
        server.run_sql("postgres", f"INSERT INTO log VALUES ({one}, 5)")
        server.switch(archive)

    run = retraced(archive, "--with", backup, "--keys", "--limit", "100")

    key = {
        "sign": "RS7", "at": "2026-11-25", "n": "7", "u": "00000000-0000-0000-0000-0000000000ff",
        "t": "2026-11-25T09:31:00+00:00", "ok": "true",
    }  # fmt: skip
    found = [(one["kind"], one["table"], one["keys"]) for one in run.document["result"]["operations"] if one["rows"]]
    held = [key] if level == "logical" else None
    assert found[-5:] == [
        ("insert", "log", [key]), ("update", "log", held), ("delete", "log", held), ("insert", "keyless", None),
        ("insert", "log", [key]),
    ]  # fmt: skip
    assert "sign=RS7" in sospes("retrace", archive, "--with", backup, "--keys", "--table", "log").out
    assert "sign=RS7" not in sospes("retrace", archive, "--with", backup, "--keys", "--hide-values").out


@servers
def test_logs_of_a_version_that_nobody_knows_leave_a_doubt(world: World, tmp_path: Path) -> None:
    for path in world.archive.iterdir():
        if len(path.name) == 24:
            data = bytearray(path.read_bytes())
            for page in range(0, len(data), 8192):
                if data[page : page + 2] == b"\x10\xd1":
                    data[page : page + 2] = b"\x7f\xd1"
            (tmp_path / path.name).write_bytes(data)
    run = retraced(tmp_path)
    assert run.code == 3 and "version-unknown" in {finding["code"] for finding in run.document["findings"]}


@servers
def test_records_that_can_not_be_understood_are_counted(world: World, monkeypatch: pytest.MonkeyPatch) -> None:
    def cut(record: memoryview) -> bytes:
        return main_data(record)[:9]

    monkeypatch.setattr("sospes.formats.tracing.trace.main_data", cut)
    run = retraced(world.archive, "--with", world.backup)
    assert run.code == 3
    assert "records-unread" in {finding["code"] for finding in run.document["findings"]}


def test_numbers_of_long_lived_clusters_and_rows_that_no_server_writes() -> None:
    """Numbers of relations go up to 2^32, and short rows are passed over."""
    names = Names(15, of_columns=True)
    large = (1 << 32) - 2
    names.take_map(large, b"")
    assert large << 32 | 1259 in names.watched().tolist()
    page = bytearray(8192)
    row = bytes(22) + b"\x18" + bytes(80)
    page[12:14] = (28).to_bytes(2, "little")
    page[24:28] = (8000 | 1 << 15 | len(row) << 17).to_bytes(4, "little")
    page[8000 : 8000 + len(row)] = row
    for catalog in (1259, 2615, 1249, 2610):
        names.take_pages(catalog, (large, catalog), [bytes(page)], lambda _: True)
    assert names.tables() == set()


def test_what_is_no_log_is_refused(tmp_path: Path) -> None:
    (tmp_path / "notes.txt").write_text("no log\n")
    assert retraced(tmp_path).code == 3
    assert retraced(tmp_path / "nowhere").code == 2
    assert retraced(tmp_path, "--kind", "insertion").code == 2
    assert retraced(tmp_path, "--live", str(tmp_path)).code == 2


@servers
def test_names_of_a_live_database_and_logs_of_two_clusters(tmp_path: Path) -> None:
    if not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    folder = folder_for_all(tmp_path)
    for name in ("one", "two"):
        (folder / name).mkdir()
        (folder / name).chmod(0o777)
    with PostgresServer(None, "--wal-segsize=1", settings=ARCHIVING) as server:
        server.run_sql("postgres", "CREATE TABLE boat (id int); CREATE TABLE gone (id int); CREATE TABLE kept (id int)")
        server.run_sql("postgres", "INSERT INTO boat VALUES (1)")
        server.query("postgres", "SELECT pg_switch_wal()")
        server.archive_into(folder / "one")
        server.run_sql("postgres", "INSERT INTO boat VALUES (2); DELETE FROM boat; TRUNCATE kept; DROP TABLE gone")
        server.switch(folder / "one")
        run = retraced(folder / "one", "--live", server.address("postgres"), "--limit", "1000")
        live = told(run)
        assert run.document["result"]["names_from"] and ("delete", "boat", 2) in live
        assert ("insert", "boat", 1) in live
        with PostgresServer(None, "--wal-segsize=1", settings=ARCHIVING) as other:
            other.archive_into(folder / "two")
            other.switch(folder / "two")
            foreign = retraced(folder / "two", "--live", server.address("postgres"))
            assert (foreign.code, "another cluster" in foreign.err) == (2, True)
    both = retraced(folder / "one", folder / "two")
    assert (both.code, "2 clusters" in both.err) == (2, True)


@servers
def test_what_had_begun_before_the_log_and_what_lies_on_another_timeline(tmp_path: Path) -> None:
    if not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    folder = folder_for_all(tmp_path)
    archive = archive_folder(folder)
    with PostgresServer(None, "--wal-segsize=1", settings=ARCHIVING) as server:
        server.archive_into(archive)
        server.run_sql("postgres", "CREATE TABLE boat (id int)")
        backup = server.base_backup(folder / "base")
        server.run_sql(
            "postgres",
            "BEGIN; INSERT INTO boat VALUES (1); SELECT pg_switch_wal(); CHECKPOINT; INSERT INTO boat VALUES (2); COMMIT",
        )
        first = server.switch(archive)
        with Standby(server, settings=ARCHIVING) as standby:
            standby.control("promote")
            standby.archive_into(archive)
            standby.run_sql("postgres", "INSERT INTO boat VALUES (10)")
            standby.switch(archive)
            for _ in range(3):
                server.run_sql("postgres", "INSERT INTO boat SELECT 20")
                server.switch(archive)
    late = folder / "late"
    late.mkdir()
    for path in archive.iterdir():
        if path.name[:24] >= first.name or path.suffix == ".history":
            shutil.copy(path, late)

    run = retraced(late, "--with", backup, "--from", "2001-01-01")

    codes = {finding["code"] for finding in run.document["findings"]}
    assert {"transaction-begun-before", "log-other-timeline"} <= codes, (
        sorted(p.name for p in late.iterdir()),
        run.document["findings"],
    )
    rows = [(one["rows"], one["complete"]) for one in run.document["result"]["operations"] if one["kind"] == "insert"]
    assert rows == [(1, False), (1, True)]

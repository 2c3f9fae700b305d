"""A checked side copy in the live name's place, and back; ended at any moment, no row is lost."""

from __future__ import annotations

import subprocess
import sys
import time
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from pathlib import Path

import pytest
from pymysql.cursors import Cursor

from tests.conftest import Run, sospes
from tests.servers import MariadbServer, PostgresServer

pytestmark = pytest.mark.servers

PROGRAM = "import sys; from sospes.cli.main import main; sys.exit(main(sys.argv[1:]))"
MOMENTS = 20


@dataclass
class Pair:
    """A live database called `helm`, the night's backup of it, and a kept side copy of that."""

    engine: str
    night: Path
    address: Callable[[str], str]
    sql: Callable[[str, str], bytes]
    databases: Callable[[], list[str]]
    side: str = ""

    def rehearse(self) -> str:
        run = sospes("rehearse", self.night, "--side", self.address("helm"), "--keep", "--json")
        assert run.code == 0, run.out
        self.side = max(name for name in self.databases() if name.startswith("sospes_"))
        return self.side

    def words(self, *more: str) -> list[str]:
        return ["handover", self.address(self.side), "--live", "helm", *more]

    def handover(self, *more: str) -> Run:
        return sospes(*self.words("--confirm", "helm", *more), "--json")

    def rows(self, database: str) -> dict[str, int]:
        """Rows by table, and that nothing else is missing: views and routines count as well."""
        tables = sospes("compare", self.night, self.address(database), "--json").document["result"]["tables"]
        return {table["name"]: table["right_rows"] for table in tables}

    def faults(self, database: str) -> list[str]:
        found = sospes("compare", self.night, self.address(database), "--json").document["findings"]
        return [one["message"] for one in found if one["severity"] == "fault"]


@pytest.fixture
def on_postgresql(postgres: PostgresServer, tmp_path: Path) -> Iterator[Pair]:
    def databases() -> list[str]:
        return postgres.query("postgres", "SELECT datname FROM pg_database").decode().split()

    def clean() -> None:
        for name in databases():
            if name.startswith(("helm", "sospes_")):
                postgres.run_sql("postgres", f'DROP DATABASE "{name}" WITH (FORCE)')

    clean()
    postgres.run_sql("postgres", "CREATE DATABASE helm TEMPLATE harbour")
    night = tmp_path / "night.sql"
    night.write_bytes(postgres.dump("helm"))
    yield Pair(
        "postgresql",
        night,
        postgres.address,
        postgres.query,
        databases,
    )
    clean()


@pytest.fixture
def on_mariadb(mariadb: MariadbServer, tmp_path: Path) -> Iterator[Pair]:
    def databases() -> list[str]:
        return mariadb.run_sql("", "SHOW DATABASES").decode().split()

    def clean() -> None:
        for name in databases():
            if name.startswith(("helm", "sospes_")):
                mariadb.run_sql("", f"DROP DATABASE `{name}`")
        for account in mariadb.run_sql("mysql", "SELECT User FROM user WHERE User LIKE 'sospes\\_%'").decode().split():
            mariadb.run_sql("", f"DROP USER {account}@localhost")

    clean()
    mariadb.run_sql("", "CREATE DATABASE helm CHARACTER SET utf8mb4")
    mariadb.run_sql("helm", mariadb.dump("--routines", "--events", "harbour"))
    night = tmp_path / "night-maria.sql"
    night.write_bytes(mariadb.dump("--routines", "--events", "helm"))
    yield Pair(
        "mariadb", night, mariadb.address,
        mariadb.run_sql, databases,
    )  # fmt: skip
    clean()


@pytest.fixture(params=["on_postgresql", "on_mariadb"])
def pair(request: pytest.FixtureRequest) -> Pair:
    found: Pair = request.getfixturevalue(request.param)
    return found


def test_a_copy_takes_the_live_name_and_what_was_live_comes_back(pair: Pair) -> None:
    pair.rehearse()
    pair.sql("helm", "DELETE FROM seed_lot WHERE id < 20")
    mistaken = pair.rows("helm")

    there = pair.handover()

    result = there.document["result"]
    assert (
        there.code == 0 and result["done"] and result["to"] == "helm" and result["kept_as"].startswith("helm_before_")
    )
    assert pair.faults("helm") == [] and pair.rows("helm") != mistaken
    assert pair.rows(result["kept_as"]) == mistaken, "no row is dropped"
    assert "--back --confirm helm" in result["way_back"]
    back = pair.handover("--back")
    assert back.code == 0 and back.document["result"]["done"]
    assert pair.rows("helm") == mistaken and result["kept_as"] not in pair.databases()
    assert pair.faults(pair.side) == [], "the copy is what it was"
    assert pair.handover("--back").code == 2, "nothing is kept any more"


def test_first_everything_is_looked_at_and_said(pair: Pair) -> None:
    pair.rehearse()
    pair.sql("helm", "DELETE FROM seed_lot WHERE id < 5")
    pair.sql("helm", "INSERT INTO empty_table (a) VALUES (1)")

    dry = sospes(*pair.words("--dry-run"), "--json")
    unnamed, wrong = sospes(*pair.words()), sospes(*pair.words("--confirm", "harbour"))

    document = dry.document
    told = {one["code"]: one["message"] for one in document["findings"]}
    assert dry.code == 3 and not document["result"]["done"]
    assert "1 rows that the copy hasn't" in told["rows-newer-in-live"]
    assert document["result"]["newer"] == [
        {
            "schema": "public" if pair.engine == "postgresql" else None,
            "name": "empty_table",
            "only_live": 1,
            "changed": 0,
        }
    ]
    assert document["result"]["consistent"] is True
    assert document["result"]["backup"] == str(pair.night) and document["result"]["side_bytes"] > 0
    assert unnamed.code == 2 and "--confirm helm" in unnamed.err and wrong.code == 2 and "the very name" in wrong.err
    assert not [name for name in pair.databases() if name.startswith("helm_")]


def test_open_sessions_are_refused_and_ended_only_when_asked(pair: Pair, request: pytest.FixtureRequest) -> None:
    pair.rehearse()
    wait = "SELECT pg_sleep(60)" if pair.engine == "postgresql" else "SELECT SLEEP(60)"
    holder = _session(pair, request, wait)

    refused = pair.handover("--without-rows")
    ended = pair.handover("--without-rows", "--end-sessions")

    assert refused.code == 3 and "sessions-open" in refused.codes and not refused.document["result"]["done"]
    assert refused.document["result"]["sessions"][0]["count"] == 1
    assert ended.code == 0 and ended.document["result"]["sessions_ended"] >= 1
    assert holder.wait(20) != 0


def _session(pair: Pair, request: pytest.FixtureRequest, sql: str) -> subprocess.Popen[bytes]:
    """A client of the server's own that is busy in the live database."""
    if pair.engine == "postgresql":
        server: PostgresServer = request.getfixturevalue("postgres")
        command = [f"{server.binaries}/psql", "-h", str(server.folder), "-U", "postgres", "-d", "helm", "-c", sql]
    else:
        maria: MariadbServer = request.getfixturevalue("mariadb")
        command = ["mariadb", "--no-defaults", f"--socket={maria.folder}/s", "-uroot", "helm", "-e", sql]
    process = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
    for _ in range(100):
        busy = (
            "SELECT count(*) FROM pg_stat_activity WHERE query LIKE 'SELECT pg_sleep%'"
            if pair.engine == "postgresql"
            else "SELECT COUNT(*) FROM information_schema.PROCESSLIST WHERE INFO LIKE 'SELECT SLEEP%'"
        )
        if int(pair.sql("harbour", busy)):
            return process
        time.sleep(0.05)
    raise RuntimeError("the session did not begin")


def test_only_copies_that_are_ours_and_whole_take_a_live_name(pair: Pair) -> None:
    pair.rehearse()
    own = "postgres" if pair.engine == "postgresql" else "mysql"
    strange = sospes("handover", pair.address("harbour"), "--live", "helm", "--confirm", "helm")
    servers = sospes("handover", pair.address(pair.side), "--live", own, "--confirm", own)
    same = sospes("handover", pair.address(pair.side), "--live", pair.side, "--confirm", pair.side)
    nowhere = sospes("handover", pair.address(pair.side), "--live", "nowhere", "--confirm", "nowhere")
    file = sospes("handover", "night.sql", "--live", "helm", "--confirm", "helm")

    assert strange.code == 2 and "is no side copy" in strange.err
    assert servers.code == 2 and "server's own" in servers.err
    assert same.code == 2 and nowhere.code == 2 and "there is no such database" in nowhere.err
    assert file.code == 2 and "no database on a server" in file.err


def test_a_copy_that_was_edited_since_is_checked_afresh(on_postgresql: Pair) -> None:
    side = on_postgresql.rehearse()
    on_postgresql.sql(
        side, "UPDATE pg_index SET indisvalid = false WHERE indexrelid = 'rescue.call_out_began'::regclass"
    )

    run = on_postgresql.handover("--without-rows")

    assert run.code == 1 and "index-invalid" in run.codes and not run.document["result"]["done"]
    assert not [name for name in on_postgresql.databases() if name.startswith("helm_")]


def test_rights_owners_and_settings_go_with_the_name(on_postgresql: Pair, postgres: PostgresServer) -> None:
    postgres.run_sql("postgres", "DROP ROLE IF EXISTS app; CREATE ROLE app; ALTER DATABASE helm SET work_mem = '7MB'")
    postgres.run_sql(
        "helm",
        "ALTER ROLE app IN DATABASE helm SET search_path = rescue, \"Old Logs\"; COMMENT ON DATABASE helm IS 'the live one';"
        "ALTER TABLE rescue.boat OWNER TO app; GRANT INSERT (name) ON rescue.station TO app; GRANT CREATE ON DATABASE helm TO app;"
        "REVOKE ALL ON FUNCTION rescue.knots FROM PUBLIC; GRANT USAGE ON SCHEMA rescue TO app WITH GRANT OPTION;"
        "CREATE EXTENSION IF NOT EXISTS pg_trgm; CREATE PUBLICATION logs FOR ALL TABLES",
    )
    postgres.run_sql(
        "postgres",
        "CREATE EXTENSION IF NOT EXISTS postgres_fdw; CREATE SERVER far FOREIGN DATA WRAPPER postgres_fdw OPTIONS (dbname 'helm')",
    )
    on_postgresql.rehearse()

    run = on_postgresql.handover("--without-rows")

    told = {one["code"]: one["message"] for one in run.document["findings"]}
    assert run.code == 3 and run.document["result"]["done"]
    assert "pg_trgm" in told["extension-missing"] and "logs" in told["publication-missing"]
    assert "far in postgres" in told["depends-on-live"] and "rights-carried" in told

    def one(sql: str) -> str:
        return postgres.query("helm", sql).decode().strip()

    assert one("SHOW work_mem") == "7MB"
    assert one("SELECT setconfig FROM pg_db_role_setting s JOIN pg_roles r ON r.oid = setrole JOIN pg_database d ON d.oid = "
               "setdatabase WHERE datname = 'helm'") == '{"search_path=rescue, \\"Old Logs\\""}'  # fmt: skip
    assert one("SELECT shobj_description(oid, 'pg_database') FROM pg_database WHERE datname = 'helm'") == "the live one"
    assert one("SELECT pg_get_userbyid(relowner) FROM pg_class WHERE relname = 'boat'") == "app"
    assert one("SELECT has_column_privilege('app', 'rescue.station', 'name', 'INSERT')") == "t"
    assert one("SELECT has_function_privilege('warden', 'rescue.knots(numeric)', 'EXECUTE')") == "f"
    assert one("SELECT has_database_privilege('app', 'helm', 'CREATE')") == "t"
    assert "helm" not in {item["location"].rsplit("/", 1)[-1] for item in _left(on_postgresql)}, (
        "tidy would not drop live"
    )
    for name in [name for name in on_postgresql.databases() if name.startswith(("helm", "sospes_"))]:
        postgres.run_sql("postgres", f'DROP DATABASE "{name}"')
    postgres.run_sql("postgres", "DROP SERVER far; DROP EXTENSION postgres_fdw; DROP ROLE app")


def _left(pair: Pair) -> list[dict[str, str]]:
    found: list[dict[str, str]] = sospes("tidy", pair.address("harbour"), "--json").document["result"]["left"]
    return found


def test_what_follows_the_old_tables_is_said(on_mariadb: Pair) -> None:
    on_mariadb.sql(
        "archive", "CREATE TABLE lots (id int, seed int, CONSTRAINT far FOREIGN KEY (seed) REFERENCES helm.seed (id))"
    )
    on_mariadb.sql("archive", "CREATE VIEW seen AS SELECT id FROM helm.seed")
    on_mariadb.rehearse()

    told = [one["message"] for one in sospes(*on_mariadb.words("--dry-run"), "--json").document["findings"]]

    on_mariadb.sql("archive", "DROP VIEW seen; DROP TABLE lots")
    assert any("the key far of archive.lots" in message for message in told)
    assert any("the view archive.seen" in message for message in told)


def test_triggers_events_and_definers_are_those_of_before(on_mariadb: Pair, mariadb: MariadbServer) -> None:
    events = "SELECT STATUS FROM information_schema.EVENTS WHERE EVENT_SCHEMA = 'helm'"
    definers = "SELECT DEFINER FROM information_schema.ROUTINES WHERE ROUTINE_SCHEMA = 'helm' ORDER BY 1"
    before = on_mariadb.sql("helm", events), on_mariadb.sql("helm", definers)
    on_mariadb.rehearse()

    assert on_mariadb.handover("--without-rows").code == 0

    assert (on_mariadb.sql("helm", events), on_mariadb.sql("helm", definers)) == before
    kept = next(name for name in on_mariadb.databases() if name.startswith("helm_before"))
    assert on_mariadb.sql(kept, "SHOW TRIGGERS").count(b"boat_check") == 1
    assert not on_mariadb.sql(kept, f"SELECT 1 FROM information_schema.EVENTS WHERE EVENT_SCHEMA = '{kept}'").strip()


@pytest.mark.parametrize("way", ["there", "back"])
def test_a_run_that_is_killed_leaves_a_state_that_can_be_finished_or_taken_back(pair: Pair, way: str) -> None:
    pair.rehearse()
    pair.sql("helm", "DELETE FROM seed_lot WHERE id < 20")
    mistaken = pair.rows("helm")
    whole = pair.rows(pair.side)
    for moment in range(MOMENTS):
        if way == "back":
            assert pair.handover("--without-rows").code == 0
        more = ["--back"] if way == "back" else ["--without-rows"]
        words = pair.words("--confirm", "helm", *more)
        process = subprocess.Popen([sys.executable, "-c", PROGRAM, *words], stdout=subprocess.DEVNULL)
        time.sleep(0.25 + 0.5 * moment / MOMENTS)
        process.kill()
        process.wait()
        _quiet(pair)
        if pair.engine == "postgresql":
            assert pair.rows("helm") in (mistaken, whole)
        if moment % 2 == 0 or way == "back":
            back = pair.handover("--back")  # wherever it stands; where nothing was begun, nothing is kept
            assert back.code in {0, 2}, back.out
        else:
            done = pair.handover("--without-rows") if pair.side in pair.databases() else None
            assert done is None or done.code == 0, done.out
            assert pair.handover("--back").code == 0
        assert pair.rows("helm") == mistaken
        assert pair.rows(pair.side) == whole
        assert pair.faults(pair.side) == []


def _quiet(pair: Pair) -> None:
    """Wait until the server has seen that its client is gone."""
    query = (
        "SELECT count(*) FROM pg_stat_activity WHERE application_name = 'sospes'"
        if pair.engine == "postgresql"
        else "SELECT COUNT(*) - 1 FROM information_schema.PROCESSLIST WHERE USER = 'root'"
    )
    for _ in range(100):
        if int(pair.sql("harbour", query)) <= 0:
            return
        time.sleep(0.05)


class Ended(BaseException):
    """Stands for the end of a run between two statements."""


CHANGES = ("RENAME", "DROP", "CREATE", "UPDATE", "INSERT")


def _ending_at(monkeypatch: pytest.MonkeyPatch, number: int, *, done: bool) -> None:
    """Have a run end at its statement of this number that changes something, before it or once it was done."""
    count = iter(range(1, 10_000))
    execute = Cursor.execute

    def counted(cursor: Cursor, query: str, values: object = None) -> int:
        ends = query.lstrip().upper().startswith(CHANGES) and next(count) == number
        if ends and not done:
            raise Ended
        rows = execute(cursor, query, values)
        if ends:
            raise Ended
        return rows

    monkeypatch.setattr(Cursor, "execute", counted)


@pytest.mark.parametrize("way", ["there", "back"])
def test_every_statement_of_a_handover_may_be_the_last_one(
    on_mariadb: Pair, monkeypatch: pytest.MonkeyPatch, way: str
) -> None:
    on_mariadb.rehearse()
    on_mariadb.sql("helm", "DELETE FROM seed_lot WHERE id < 20")
    mistaken, whole = on_mariadb.rows("helm"), on_mariadb.rows(on_mariadb.side)
    live, copy = on_mariadb.faults("helm"), on_mariadb.faults(on_mariadb.side)
    ended = 0
    for number in range(1, 80):
        if way == "back":
            assert on_mariadb.handover("--without-rows").code == 0
        words = on_mariadb.words("--confirm", "helm", *(["--back"] if way == "back" else ["--without-rows"]))
        with monkeypatch.context() as patch:
            _ending_at(patch, number, done=number % 2 == 0)
            try:
                sospes(*words)
            except Ended:
                ended += 1
            else:
                break
        if way == "there" and number % 3 == 0:
            assert on_mariadb.handover("--without-rows").code == 0, "it can be finished"
            assert on_mariadb.rows("helm") == whole
        assert on_mariadb.handover("--back").code in {0, 2}, (
            "it can be taken back; nothing is kept where it had not begun"
        )
        assert (on_mariadb.rows("helm"), on_mariadb.rows(on_mariadb.side)) == (mistaken, whole), number
        assert (on_mariadb.faults("helm"), on_mariadb.faults(on_mariadb.side)) == (live, copy), number
    assert ended > 15


def test_tidy_says_where_a_handover_stands(on_mariadb: Pair, monkeypatch: pytest.MonkeyPatch) -> None:
    on_mariadb.rehearse()
    with monkeypatch.context() as patch:
        _ending_at(patch, 8, done=True)
        with pytest.raises(Ended):
            sospes(*on_mariadb.words("--confirm", "helm", "--without-rows"))

    unfinished = sospes("tidy", on_mariadb.address("harbour")).out
    gone_on = on_mariadb.handover("--without-rows")
    finished = sospes("tidy", on_mariadb.address("harbour")).out

    assert "unfinished handover" in unfinished and "goes on" in unfinished and "takes it back" in unfinished
    assert gone_on.code == 0 and "handover-gone-on" in gone_on.out
    assert "handed over" in finished


def test_what_no_handover_changes_is_told(on_postgresql: Pair, postgres: PostgresServer) -> None:
    on_postgresql.rehearse()
    postgres.run_sql("postgres", "DROP DATABASE helm")
    postgres.run_sql("postgres", "CREATE DATABASE helm TEMPLATE template0 LC_COLLATE 'C' LC_CTYPE 'C'")
    postgres.run_sql("helm", "CREATE TABLE later (id int); GRANT SELECT ON later TO warden")
    postgres.run_sql("helm", "UPDATE pg_extension SET extversion = '0.1' WHERE extname = 'plpgsql'")

    told = {one["code"]: one["message"] for one in on_postgresql.handover("--without-rows").document["findings"]}

    assert "collation" in told["made-otherwise"] or "character type" in told["made-otherwise"]
    assert "plpgsql" in told["extension-version"]
    assert "public.later" in told["rights-not-carried"] and "rows-not-compared" in told


def test_rights_stay_with_names_where_databases_are_not_renamed(on_mariadb: Pair) -> None:
    on_mariadb.rehearse()
    told = {
        one["code"]: one["message"] for one in sospes(*on_mariadb.words("--dry-run"), "--json").document["findings"]
    }
    assert "stay with its name" in told["rights-stay"]

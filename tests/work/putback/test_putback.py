"""Tables that are gone come back whole into a live database; what is there is never written to."""

from __future__ import annotations

import subprocess
import sys
import time
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from pathlib import Path

import psycopg
import pytest

from tests.backups import copy_table, mysql, postgresql
from tests.conftest import Run, sospes
from tests.servers import MariadbServer, PostgresServer

pytestmark = pytest.mark.servers

POSTGRESQL_FORMS = {"script": [], "inserts": ["--inserts"], "archive": ["-Fc"], "quoted": ["--quote-all-identifiers"]}
MARIADB_FORMS = {"script": [], "hex": ["--hex-blob"], "complete": ["--complete-insert"]}


@dataclass(frozen=True)
class Live:
    """A database in use called `back`, and the night's backup of it."""

    address: str
    night: Path
    run: Callable[[str | bytes], bytes]
    drop: Callable[[str], str]
    renew: Callable[[], None]

    def extract(self, *words: str) -> Run:
        return sospes("extract", self.night, *words, "--into", self.address, "--confirm", "back", "--json")

    def faults(self) -> list[str]:
        """What differs from the backup, by findings that are more than notes."""
        found = sospes("compare", self.night, self.address, "--json").document["findings"]
        return [finding["message"] for finding in found if finding["severity"] != "note"]

    def count(self, table: str) -> int:
        return int(self.run(f"SELECT count(*) FROM {table}").split()[-1])


def _quoted(label: str, mark: str) -> str:
    return ".".join(mark + part.replace(mark, mark * 2) + mark for part in label.split("|"))


@pytest.fixture
def on_postgresql(postgres: PostgresServer, tmp_path: Path) -> Iterator[Live]:
    night = tmp_path / "night.sql"
    night.write_bytes(postgres.dump("harbour"))

    def renew() -> None:
        postgres.run_sql("postgres", "DROP DATABASE IF EXISTS back")
        postgres.run_sql("postgres", "CREATE DATABASE back TEMPLATE harbour")

    renew()
    yield Live(
        postgres.address("back"),
        night,
        lambda sql: postgres.query("back", sql if isinstance(sql, str) else sql.decode()),
        lambda label: f"DROP TABLE {_quoted(label, chr(34))} CASCADE",
        renew,
    )
    postgres.run_sql("postgres", "DROP DATABASE back")


@pytest.fixture
def on_mariadb(mariadb: MariadbServer, tmp_path: Path) -> Iterator[Live]:
    night = tmp_path / "night-maria.sql"
    night.write_bytes(mariadb.dump("--routines", "--events", "harbour"))
    whole = night.read_bytes()

    def renew() -> None:
        mariadb.run_sql("", "DROP DATABASE IF EXISTS back; CREATE DATABASE back CHARACTER SET utf8mb4")
        mariadb.run_sql("back", whole)

    renew()
    yield Live(
        mariadb.address("back"),
        night,
        lambda sql: mariadb.run_sql("back", sql),
        lambda label: f"SET foreign_key_checks = 0; DROP TABLE {_quoted(label.split('|')[-1], '`')}",
        renew,
    )
    mariadb.run_sql("", "DROP DATABASE back")


def _every_table_comes_back(live: Live) -> None:
    tables = sospes("verify", live.night, "--json").document["result"]["tables"]
    for table in tables:
        named = [part for part in (table["schema"], table["name"]) if part]
        live.renew()
        live.run(live.drop("|".join(named)))
        assert live.faults(), "it was dropped"

        run = live.extract(".".join(named), "--with-dependants")

        assert run.code == 0, (table["name"], run.out)
        assert live.faults() == [], table["name"]
        counts = run.document["result"]["counts"]
        found = next(one for one in counts if one["name"] == table["name"])
        assert (found["before"], found["after"], found["expected"]) == (None, table["rows"], table["rows"])


@pytest.mark.parametrize("form", POSTGRESQL_FORMS)
def test_every_table_of_postgresql_comes_back_whole(on_postgresql: Live, postgres: PostgresServer, form: str) -> None:
    on_postgresql.night.write_bytes(postgres.dump("harbour", *POSTGRESQL_FORMS[form]))
    _every_table_comes_back(on_postgresql)


@pytest.mark.parametrize("form", MARIADB_FORMS)
def test_every_table_of_mariadb_comes_back_whole(on_mariadb: Live, mariadb: MariadbServer, form: str) -> None:
    night = mariadb.dump("--routines", "--events", *MARIADB_FORMS[form], "harbour")
    on_mariadb.night.write_bytes(night)
    _every_table_comes_back(on_mariadb)


@pytest.mark.parametrize("side", ["on_postgresql", "on_mariadb"])
def test_a_table_that_exists_is_never_written_to(request: pytest.FixtureRequest, side: str) -> None:
    live: Live = request.getfixturevalue(side)
    live.run("DELETE FROM seed_lot WHERE id > 5")
    before = live.count("seed_lot")

    there = live.extract("seed_lot")
    beside = live.extract("seed_lot", "--new-name", "seed_lot_of_the_night")
    again = live.extract("seed_lot", "--new-name", "seed_lot_of_the_night")
    long = live.extract("seed_lot", "--new-name", "x" * 70)

    assert there.code == 2 and "is there already" in there.err and "--new-name" in there.err
    assert beside.code == 0 and live.count("seed_lot_of_the_night") > before
    assert again.code == 2 and "is there already" in again.err
    assert long.code == 2 and "not 70" in long.err
    assert live.count("seed_lot") == before


@pytest.mark.parametrize("side", ["on_postgresql", "on_mariadb"])
def test_nothing_is_written_without_the_name_given_once_more(request: pytest.FixtureRequest, side: str) -> None:
    live: Live = request.getfixturevalue(side)
    table = "public|seed_lot" if side == "on_postgresql" else "seed_lot"
    live.run(live.drop(table))
    before = live.faults()
    words = ("extract", live.night, "seed_lot", "--into", live.address)

    unconfirmed = sospes(*words)
    wrong = sospes(*words, "--confirm", "harbour")
    dry = sospes(*words, "--dry-run", "--out", live.night.with_suffix(".back.sql"), "--json")

    assert unconfirmed.code == 2 and "--confirm back" in unconfirmed.err
    assert wrong.code == 2 and "the very name" in wrong.err
    assert dry.code == 0 and dry.document["result"]["applied"] is False
    assert live.faults() == before, "live is as it was"


def test_a_dry_run_writes_the_very_script_that_brings_it_back(
    on_postgresql: Live, on_mariadb: Live, postgres: PostgresServer, mariadb: MariadbServer, tmp_path: Path
) -> None:
    for live, table, server in ((on_postgresql, "rescue|call_out", postgres), (on_mariadb, "boat", mariadb)):
        live.run(live.drop(table))
        script = tmp_path / f"{table.replace('|', '_')}.sql"
        name = table.replace("|", ".")
        words = ("extract", live.night, name, "--into", live.address, "--with-dependants", "--dry-run")

        assert sospes(*words, "--out", script).code == 0
        server.run_sql("back", script.read_bytes())

        assert live.faults() == []


def test_references_in_both_directions_and_rows_that_do_not_follow_them(on_postgresql: Live, on_mariadb: Live) -> None:
    for live, parent in ((on_postgresql, "public|seed"), (on_mariadb, "seed")):
        live.run(live.drop(parent))
        checks = "SET foreign_key_checks = 0; " if live is on_mariadb else ""
        live.run(checks + "INSERT INTO seed_lot (id, seed_id, label) VALUES (9999, 777, 'of no seed')")

        run = live.extract(parent.replace("|", "."))

        assert run.code == 3 and "reference-not-followed" in run.codes, run.out
        assert live.count("seed") == run.document["result"]["tables"][0]["rows"]
        assert live.count("seed_lot WHERE id = 9999") == 1


def test_a_sequence_that_is_still_there_is_taken_up_and_never_set_back(
    postgres: PostgresServer, on_postgresql: Live
) -> None:
    on_postgresql.run(
        "CREATE SEQUENCE public.lots START 7; CREATE TABLE public.lot (id int DEFAULT nextval('public.lots'))"
    )
    on_postgresql.run("INSERT INTO public.lot SELECT FROM generate_series(1, 20)")
    on_postgresql.night.write_bytes(postgres.dump("back"))
    for wanted, value in ((26, None), (500, 500), (26, 3)):
        on_postgresql.run("DROP TABLE public.lot")
        if value is not None:
            on_postgresql.run(f"SELECT setval('public.lots', {value})")

        assert on_postgresql.extract("public.lot").code == 0

        assert int(on_postgresql.run("SELECT last_value FROM public.lots")) == wanted
    on_postgresql.run("DROP TABLE public.lot; DROP SEQUENCE public.lots")
    assert on_postgresql.extract("public.lot").code == 0
    assert int(on_postgresql.run("SELECT nextval('public.lots')")) == 27


def test_what_fell_with_a_table_is_named_and_comes_back_when_asked_for(
    postgres: PostgresServer, on_postgresql: Live
) -> None:
    on_postgresql.run(
        "CREATE POLICY mine ON rescue.boat USING (EXISTS (SELECT FROM rescue.call_out));"
        "CREATE FUNCTION rescue.calls() RETURNS bigint LANGUAGE sql BEGIN ATOMIC SELECT count(*) FROM rescue.call_out; END;"
    )
    on_postgresql.night.write_bytes(postgres.dump("back"))
    on_postgresql.run("DROP TABLE rescue.call_out CASCADE")

    plain = on_postgresql.extract("rescue.call_out")
    notes = [found["message"] for found in plain.document["findings"] if found["code"] == "dependants-missing"]
    on_postgresql.run("DROP TABLE rescue.call_out CASCADE")
    whole = on_postgresql.extract("rescue.call_out", "--with-dependants")

    assert plain.code == 0 and "view rescue.busy" in notes[0] and "function rescue.calls" in notes[0]
    assert whole.code == 0 and on_postgresql.faults() == []
    assert {item["kind"] for item in whole.document["result"]["made"]} >= {"view", "policy", "function", "table"}


def test_live_gives_nobody_rights_that_the_backup_does_not(on_postgresql: Live) -> None:
    on_postgresql.run("ALTER DEFAULT PRIVILEGES GRANT ALL ON TABLES TO warden, PUBLIC; DROP TABLE rescue.boat")

    assert on_postgresql.extract("rescue.boat").code == 0

    assert on_postgresql.run("SELECT has_table_privilege('warden', 'rescue.boat', 'DELETE')").strip() == b"f"
    on_postgresql.run("ALTER DEFAULT PRIVILEGES REVOKE ALL ON TABLES FROM warden, PUBLIC")


_EVIL = (
    b"CREATE FUNCTION public.evil(n integer) RETURNS boolean LANGUAGE sql IMMUTABLE AS $$DELETE FROM public.seed_lot; "
    b"SELECT true$$;\n"
)


@pytest.mark.parametrize("with_dependants", [[], ["--with-dependants"]])
def test_code_of_the_backup_does_not_run_on_live_while_rows_go_in(
    on_postgresql: Live, tmp_path: Path, with_dependants: list[str]
) -> None:
    table = copy_table("public.bait", [("id", "integer NOT NULL CHECK (public.evil(id))")], [["1"], ["2"]], "id")
    night = tmp_path / "evil.sql"
    night.write_bytes(postgresql(_EVIL.replace(b"SELECT true", b"SELECT 'bait' > ''") + table))
    before = on_postgresql.count("seed_lot")

    def extracted() -> Run:
        return sospes("extract", night, "bait", "--into", on_postgresql.address, "--confirm", "back", *with_dependants)

    run = extracted()

    assert run.code == 3 and "code of the backup" in run.err and "public.evil" in run.err
    assert on_postgresql.count("seed_lot") == before
    assert not on_postgresql.run("SELECT 1 WHERE to_regclass('public.bait') IS NOT NULL").strip()
    night.write_bytes(postgresql(_EVIL.replace(b"LANGUAGE sql", b"LANGUAGE plperlu") + table))
    assert "reach outside" in extracted().err


def test_values_that_are_worked_out_do_not_run_on_live(on_postgresql: Live, on_mariadb: Live, tmp_path: Path) -> None:
    night = tmp_path / "computed.sql"
    night.write_bytes(
        b"CREATE TABLE public.bait (id integer);\nINSERT INTO public.bait VALUES ((SELECT count(*) FROM public.seed)), (1);\n"
    )
    run = sospes("extract", night, "public.bait", "--into", on_postgresql.address, "--confirm", "back")
    assert run.code == 3 and ("worked out on live" in run.err or "damaged" in run.out)
    night.write_bytes(
        b"CREATE TABLE `bait` (`id` varchar(9)) ENGINE=InnoDB;\nINSERT INTO `bait` VALUES (concat('a', sleep(9)));\n"
    )
    run = sospes("extract", night, "bait", "--into", on_mariadb.address, "--confirm", "back")
    assert run.code == 3
    assert not on_mariadb.run("SHOW TABLES LIKE 'bait'").strip()


def test_a_failure_leaves_live_as_it_was(on_postgresql: Live, on_mariadb: Live, tmp_path: Path) -> None:
    for live, table, text in (
        (on_postgresql, "public.twice", postgresql(
            copy_table("public.twice", [("id", "integer NOT NULL")], [["1"], ["1"]], "id")
        )),
        (on_mariadb, "twice", b"CREATE TABLE `twice` (`id` int NOT NULL, PRIMARY KEY (`id`)) ENGINE=InnoDB;\n"
         b"INSERT INTO `twice` VALUES (1),(1);\n"),
    ):  # fmt: skip
        night = tmp_path / "twice.sql"
        night.write_bytes(text)
        before = live.run("SELECT count(*) FROM information_schema.tables")

        run = sospes("extract", night, table, "--into", live.address, "--confirm", "back")

        assert run.code == 3 and "nothing was changed" in run.err
        assert live.run("SELECT count(*) FROM information_schema.tables") == before


def test_other_engines_and_older_servers_are_refused(on_postgresql: Live, on_mariadb: Live, tmp_path: Path) -> None:
    words = ("--confirm", "back")
    other = sospes("extract", on_mariadb.night, "seed_lot", "--into", on_postgresql.address, *words)
    night = tmp_path / "newer.sql"
    night.write_bytes(
        on_postgresql.night.read_bytes().replace(
            b"Dumped from database version 1", b"Dumped from database version 9", 1
        )
    )
    newer = sospes("extract", night, "public.nothing", "--into", on_postgresql.address, *words)

    assert other.code == 2 and "of their own engine" in other.err
    assert newer.code == 3 and "older" in newer.err


def test_a_damaged_table_is_refused_and_what_is_sound_of_it_can_be_had(on_postgresql: Live, tmp_path: Path) -> None:
    rows = [[str(number), f"lot {number}"] for number in range(50)]
    night = tmp_path / "odd.sql"
    table = copy_table("public.odd", [("id", "integer NOT NULL"), ("label", "text")], rows, "id")
    night.write_bytes(postgresql(table).replace(b"7\tlot 7\n", b"7\n", 1))
    words = ("extract", night, "odd", "--into", on_postgresql.address, "--confirm", "back", "--json")

    refused = sospes(*words)
    salvaged = sospes(*words, "--salvage", "--missing", tmp_path / "missing.jsonl")

    assert refused.code == 1 and refused.document["result"]["applied"] is False
    assert salvaged.code == 1 and on_postgresql.count("odd") == 49
    assert (tmp_path / "missing.jsonl").exists()


def test_a_user_without_the_right_changes_nothing(on_postgresql: Live, postgres: PostgresServer) -> None:
    postgres.run_sql("back", "CREATE ROLE looker LOGIN; DROP TABLE public.seed_lot")
    address = on_postgresql.address.replace("postgres@", "looker@")

    run = sospes("extract", on_postgresql.night, "public.seed_lot", "--into", address, "--confirm", "back")

    assert run.code == 3 and "permission denied" in run.err and "nothing was changed" in run.err
    postgres.run_sql("postgres", "DROP ROLE looker")


def test_a_profile_names_the_live_database(on_postgresql: Live, tmp_path: Path) -> None:
    config = tmp_path / "sospes.toml"
    config.write_text(f'[profiles.live]\nurl = "{on_postgresql.address}"\n')
    on_postgresql.run("DROP TABLE public.wide_key")
    words: tuple[str | Path, ...] = (
        "extract", on_postgresql.night, "wide_key", "--into", "@live", "--config", config, "--confirm", "back",
    )  # fmt: skip

    run = sospes(*words, "--gentle")

    assert run.code == 0 and "1 table, 4 rows brought back" in run.out


def test_options_for_live_are_for_live_only(tmp_path: Path) -> None:
    night = tmp_path / "night.sql"
    night.write_bytes(postgresql(copy_table("public.t", [("id", "integer NOT NULL")], [["1"]], "id")))
    for option in (["--confirm", "x"], ["--dry-run"], ["--with-dependants"], ["--trust-backup"], ["--gentle"]):
        run = sospes("extract", night, "t", "--into", tmp_path / "side.sqlite", *option)
        assert run.code == 2 and "into a database" in run.err


MOMENTS = 20


@pytest.mark.parametrize("side", ["on_postgresql", "on_mariadb"])
def test_a_run_that_is_killed_leaves_all_of_the_table_or_nothing(request: pytest.FixtureRequest, side: str) -> None:
    live: Live = request.getfixturevalue(side)
    name = "public.seed_lot" if side == "on_postgresql" else "seed_lot"
    rows = live.count(name)
    program = "import sys; from sospes.cli.main import main; sys.exit(main(sys.argv[1:]))"
    words = ["extract", str(live.night), name, "--into", live.address, "--confirm", "back"]
    states = set()
    for moment in range(MOMENTS):
        live.run(live.drop(name.replace(".", "|")))
        process = subprocess.Popen([sys.executable, "-c", program, *words], stdout=subprocess.DEVNULL)
        time.sleep(0.25 + 0.9 * moment / MOMENTS)
        process.kill()
        process.wait()
        sospes("tidy", live.address, "--drop")
        for _ in range(50):  # a server needs a moment to see that its client is gone
            tables = live.run("SELECT table_name FROM information_schema.tables WHERE table_name LIKE 'sospes%'")
            if not tables.strip():
                break
            time.sleep(0.1)
            sospes("tidy", live.address, "--drop")
        assert not tables.strip(), "what was on its way is gone"
        there = live.run("SELECT count(*) FROM information_schema.tables WHERE table_name = 'seed_lot'")
        if there.split()[-1] == b"0" or _is_gone(live, name):
            states.add("gone")
            assert live.extract(name).code == 0
        else:
            states.add("whole")
        assert live.count(name) == rows
        assert live.faults() == []
    assert "gone" in states


def _is_gone(live: Live, name: str) -> bool:
    """Whether the table isn't in this database; another one may have a table of its name."""
    try:
        live.count(name)
    except (RuntimeError, IndexError):
        return True
    return False


def test_tidy_finds_a_table_that_was_on_its_way_and_leaves_it_alone_while_it_is(
    on_mariadb: Live, mariadb: MariadbServer, tmp_path: Path
) -> None:
    on_mariadb.run("CREATE TABLE reading (id int PRIMARY KEY, note varchar(200))")
    on_mariadb.run("INSERT INTO reading SELECT seq, repeat('x', 150) FROM seq_1_to_200000")
    on_mariadb.night.write_bytes(mariadb.dump("back"))
    on_mariadb.run("DROP TABLE reading")
    program = "import sys; from sospes.cli.main import main; sys.exit(main(sys.argv[1:]))"
    words = ["extract", str(on_mariadb.night), "reading", "--into", on_mariadb.address, "--confirm", "back", "--gentle"]
    process = subprocess.Popen([sys.executable, "-c", program, *words, "--workers", "1"])
    for _ in range(400):
        if on_mariadb.run("SHOW TABLES LIKE 'sospes%'").strip():
            break
        time.sleep(0.02)

    under_way = _tables_left(on_mariadb, "--drop")
    process.kill()
    process.wait()
    time.sleep(0.5)
    left = _tables_left(on_mariadb)
    dropped = _tables_left(on_mariadb, "--drop")

    assert [(item["in_use"], item["dropped"]) for item in under_way] == [(True, False)]
    assert [(item["in_use"], item["dropped"]) for item in left] == [(False, False)]
    assert [item["dropped"] for item in dropped] == [True]
    assert _tables_left(on_mariadb) == []
    on_mariadb.run("CREATE TABLE sospes_0123456789abcdef01234567 (id int)")
    assert _tables_left(on_mariadb, "--drop") == [], "only what is signed is ours"


def _tables_left(live: Live, *more: str) -> list[dict[str, object]]:
    found = sospes("tidy", live.address, *more, "--json").document["result"]["left"]
    return [item for item in found if item["kind"] == "table"]


def _notes(run: Run) -> dict[str, str]:
    return {found["code"]: found["message"] for found in run.document["findings"]}


def test_code_that_comes_back_is_named_and_stored_views_are_not_filled_by_it(
    on_postgresql: Live, postgres: PostgresServer
) -> None:
    on_postgresql.run("REFRESH MATERIALIZED VIEW rescue.busy_stored")
    on_postgresql.night.write_bytes(postgres.dump("back"))
    on_postgresql.run("DROP TABLE rescue.station CASCADE")

    told = _notes(on_postgresql.extract("rescue.station", "--with-dependants"))

    assert "trigger call_out_touch" in told["code-brought-back"]
    assert "rescue.busy_stored" in told["views-empty"]
    assert on_postgresql.run("SELECT relispopulated FROM pg_class WHERE relname = 'busy_stored'").strip() == b"f"
    on_postgresql.run("DROP TABLE rescue.station CASCADE")
    trusted = on_postgresql.extract("rescue.station", "--with-dependants", "--trust-backup")
    assert trusted.code == 0 and "views-empty" not in _notes(trusted)
    assert on_postgresql.run("SELECT relispopulated FROM pg_class WHERE relname = 'busy_stored'").strip() == b"t"


def test_roles_and_parents_that_live_has_not_are_told(on_postgresql: Live, postgres: PostgresServer) -> None:
    postgres.run_sql("back", "CREATE ROLE pilot; GRANT SELECT ON rescue.boat TO pilot;")
    postgres.run_sql("back", "CREATE POLICY seen ON rescue.boat TO pilot USING (true)")
    on_postgresql.night.write_bytes(postgres.dump("back"))
    postgres.run_sql("back", "DROP TABLE rescue.boat; DROP TABLE rescue.station CASCADE; DROP ROLE pilot")

    run = on_postgresql.extract("rescue.boat")

    told = _notes(run)
    assert run.code == 3 and sorted(run.codes) == ["not-brought-back", "reference-left-out"]
    assert "pilot" in told["roles-missing"] and "rescue.station" in told["reference-left-out"]
    assert "policy" in told["not-brought-back"] and on_postgresql.count("rescue.boat") == 4


def test_rows_beside_a_table_come_without_what_would_act_for_it(on_postgresql: Live) -> None:
    told = _notes(on_postgresql.extract("rescue.station", "--new-name", "station of the night"))
    assert "trigger call_out_touch" in told["rows-beside"]
    assert on_postgresql.count('rescue."station of the night"') == 4


def test_values_that_a_restore_would_change_are_told(on_mariadb: Live, mariadb: MariadbServer) -> None:
    on_mariadb.run("CREATE TABLE flag (id int PRIMARY KEY, kind enum('a', 'b') NOT NULL)")
    on_mariadb.run("SET sql_mode = ''; INSERT INTO flag VALUES (1, 'a'), (2, 'none of both')")
    on_mariadb.night.write_bytes(mariadb.dump("--routines", "--events", "back"))
    on_mariadb.run("DROP TABLE flag")

    run = on_mariadb.extract("flag")

    assert run.code == 3 and run.codes == ["values-adjusted"]
    assert on_mariadb.faults() == [], "as any restore would"


BAIT = copy_table("public.bait", [("id", "integer NOT NULL")], [["1"], ["2"]], "id")
HOSTILE = {
    "a table that is made of a query": b"CREATE TABLE public.bait AS WITH d AS (DELETE FROM public.canary RETURNING 1) SELECT 1 AS id;\n",
    "a stored view that runs its query": BAIT
    + b"CREATE MATERIALIZED VIEW public.seen AS\n SELECT lo_create(777) AS made FROM public.bait;\n",
    "a value that is set and more": BAIT
    + b"CREATE SEQUENCE public.bait_seq;\nALTER SEQUENCE public.bait_seq OWNED BY public.bait.id;\n"
    b"SELECT pg_catalog.setval('public.bait_seq', 1, true), lo_create(777);\n",
    "a value of live's own sequence": b"CREATE TABLE public.bait (id integer DEFAULT nextval('public.canary_id_seq'));\n"
    b"COPY public.bait (id) FROM stdin;\n1\n\\.\n\nSELECT pg_catalog.setval('public.canary_id_seq', 999999, true);\n",
    "a schema that makes more": b"CREATE SCHEMA lure CREATE VIEW peek AS SELECT * FROM public.canary GRANT ALL ON peek TO PUBLIC;\n"
    + BAIT.replace(b"public.bait", b"lure.bait"),
    "rights to several things": BAIT + b"GRANT ALL ON TABLE public.bait, public.canary TO warden;\n",
    "a reference that changes more": BAIT
    + b"CREATE TABLE public.canary (id integer);\nALTER TABLE ONLY public.canary ADD CONSTRAINT f FOREIGN KEY (id) REFERENCES public.bait(id), "
    b"DROP COLUMN secret;\n",
    "a check that acts": b"CREATE TABLE public.bait (id integer CHECK (lo_create(777) > 0));\nCOPY public.bait (id) FROM stdin;\n1\n\\.\n\n",
    "a check that acts, in capitals": b"CREATE FUNCTION public.act(n integer) RETURNS boolean LANGUAGE sql AS $$"
    b"DELETE FROM public.canary; SELECT 'bait' > ''$$;\nCREATE TABLE public.bait (id integer CHECK (PUBLIC.ACT(id)));\n"
    b"COPY public.bait (id) FROM stdin;\n1\n\\.\n\n",
    "a check that acts, behind a comment": b"CREATE TABLE public.bait (id integer CHECK (Lo_Create /* ( */ (777) > 0));\n"
    b"COPY public.bait (id) FROM stdin;\n1\n\\.\n\n",
    "a check that acts, by numbers": b'CREATE TABLE public.bait (id integer CHECK (U&"\\006Co_create"(777) > 0));\n'
    b"COPY public.bait (id) FROM stdin;\n1\n\\.\n\n",
    "a default that acts": b"CREATE TABLE public.bait (id integer, x oid DEFAULT pg_catalog.lo_create(777));\n"
    b"COPY public.bait (id) FROM stdin;\n1\n\\.\n\n",
    "a change of type that acts": BAIT + b"ALTER TABLE public.bait ALTER COLUMN id TYPE oid USING lo_create(777);\n",
    "two statements in one": BAIT.replace(
        b"NOT NULL", b"NOT NULL DEFAULT 1); DELETE FROM public.canary; CREATE TABLE x (y int", 1
    ),
    "a rule on a table of live": BAIT
    + b"CREATE TABLE public.canary (id integer);\nCREATE RULE r AS ON INSERT TO public.canary DO ALSO DELETE FROM public.bait;\n",
    "what drops": BAIT + b"DROP TABLE public.canary;\n",
    "an extension that reaches files": b"CREATE EXTENSION file_fdw WITH SCHEMA public;\n"
    + BAIT.replace(b"integer", b"integer /* file_fdw */"),
}
SEEN = """SELECT (SELECT count(*) FROM public.canary), (SELECT count(*) FROM pg_largeobject_metadata WHERE oid = 777),
  (SELECT last_value FROM public.canary_id_seq), (SELECT count(*) FROM information_schema.columns WHERE table_name = 'canary'),
  (SELECT count(*) FROM pg_rules WHERE tablename = 'canary'), has_table_privilege('warden', 'public.canary', 'SELECT'),
  to_regclass('lure.peek'), (SELECT count(*) FROM pg_extension WHERE extname = 'file_fdw')"""


@pytest.mark.parametrize("what", HOSTILE)
def test_a_hostile_backup_changes_nothing_of_live(on_postgresql: Live, tmp_path: Path, what: str) -> None:
    on_postgresql.run(
        "CREATE TABLE public.canary (id serial, secret text); INSERT INTO public.canary (secret) VALUES ('a'), ('b')"
    )
    night = tmp_path / "hostile.sql"
    night.write_bytes(postgresql(HOSTILE[what]))
    before = on_postgresql.run(SEEN)
    table = "lure.bait" if b"lure.bait" in HOSTILE[what] else "public.bait"
    words = ("extract", night, table, "--into", on_postgresql.address, "--confirm", "back", "--salvage", "--missing")

    for number, more in enumerate(([], ["--with-dependants"])):
        sospes(*words, tmp_path / f"{number}.jsonl", *more)
        assert on_postgresql.run(SEEN) == before, what
        on_postgresql.run("DROP TABLE IF EXISTS public.bait CASCADE; DROP SCHEMA IF EXISTS lure CASCADE")


MARIADB_BAIT = b"CREATE TABLE `bait` (`id` int) ENGINE=InnoDB;\nINSERT INTO `bait` VALUES (1);\n"
HOSTILE_MARIADB = {
    "a table that is made of a query": b"CREATE TABLE `bait` (`id` int) SELECT f() AS id;\n",
    "a value that is set and more": MARIADB_BAIT.replace(b"int)", b"int DEFAULT nextval(`s`))")
    + b"CREATE SEQUENCE `s`;\nDO SETVAL(`s`, 1, 0), f();\n",
    "rights": MARIADB_BAIT + b"GRANT ALL ON `canary` TO `thief`@`localhost`;\n",
    "a table that lies elsewhere": b"CREATE TABLE `bait` (`id` int) ENGINE=FEDERATED CONNECTION='mysql://root@127.0.0.1/x/y';\n",
    "a table of others": b"CREATE TABLE `bait` (`id` int) ENGINE=MERGE UNION=(`canary`) INSERT_METHOD=LAST;\n"
    b"INSERT INTO `bait` VALUES (9);\n",
    "a value that acts": b"CREATE TABLE `bait` (`id` int) ENGINE=InnoDB;\nINSERT INTO `bait` VALUES (f());\n",
}


@pytest.mark.parametrize("what", HOSTILE_MARIADB)
def test_a_hostile_backup_changes_nothing_of_live_on_mariadb(
    on_mariadb: Live, mariadb: MariadbServer, tmp_path: Path, what: str
) -> None:
    on_mariadb.run("CREATE TABLE canary (id int) ENGINE=MyISAM; INSERT INTO canary VALUES (1)")
    mariadb.run_sql(
        "back",
        "DELIMITER //\nCREATE FUNCTION f() RETURNS int MODIFIES SQL DATA BEGIN DELETE FROM canary; RETURN 1; END//\n",
    )
    mariadb.run_sql("", "CREATE USER thief@localhost")
    night = tmp_path / "hostile.sql"
    night.write_bytes(mysql(HOSTILE_MARIADB[what]))
    seen = "SELECT COUNT(*) FROM canary; SHOW GRANTS FOR thief@localhost"
    before = on_mariadb.run(seen)
    try:
        sospes("extract", night, "bait", "--into", on_mariadb.address, "--confirm", "back", "--with-dependants")
        assert on_mariadb.run(seen) == before
    finally:
        mariadb.run_sql("", "DROP USER thief@localhost")


def test_what_live_has_and_gets_a_part_or_a_key_again_is_told(on_postgresql: Live) -> None:
    on_postgresql.run("DROP TABLE public.tide_2025; DROP TABLE public.seed CASCADE")

    part, key = _notes(on_postgresql.extract("public.tide_2025")), _notes(on_postgresql.extract("public.seed"))

    assert "public.tide_2025 becomes a part of public.tide" in part["joins-live"]
    assert "public.seed_lot refers to these tables again" in key["joins-live"]


def test_a_lock_of_somebody_else_is_waited_for_a_while_and_nothing_is_left(on_postgresql: Live) -> None:
    on_postgresql.run("DROP TABLE public.seed_lot")
    with psycopg.connect(on_postgresql.address, autocommit=False) as other:
        other.execute("LOCK TABLE public.seed IN EXCLUSIVE MODE")
        run = sospes(
            "extract", on_postgresql.night, "seed_lot", "--into", on_postgresql.address, "--confirm", "back"
        )  # fmt: skip
    assert run.code == 3 and "lock timeout" in run.err and "run this again" in run.err
    assert not on_postgresql.run("SELECT 1 WHERE to_regclass('public.seed_lot') IS NOT NULL").strip()
    assert on_postgresql.extract("seed_lot").code == 0

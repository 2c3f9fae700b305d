"""Restores on the backup's own engine, live comparison, and what is left when a run is killed."""

from __future__ import annotations

import os
import signal
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path
from types import SimpleNamespace
from typing import Any

import psycopg
import pytest
from psycopg import sql

from sospes.model.errors import CannotCheck, UsageError
from sospes.model.settings import Profile
from sospes.sides.postgresql import checks as checks_postgresql
from sospes.sides.servers.address import Address, address_of
from sospes.sides.servers.private import PREFIX
from tests.backups import copy_table, mysql, postgresql
from tests.conftest import DUMPS, INPUTS, sospes
from tests.servers import MariadbServer, PostgresServer

pytestmark = pytest.mark.servers


def _left() -> set[Path]:
    return set(Path(tempfile.gettempdir()).glob(f"{PREFIX}*"))


@pytest.fixture(autouse=True)
def nothing_is_left() -> Iterator[None]:
    """Every test leaves the temporary folder as it was."""
    before = _left()
    yield
    assert _left() <= before


@pytest.mark.parametrize("options", [[], ["--inserts"], ["-Fc"], ["-Ft"], ["--create", "--verbose"]], ids=str)
def test_a_postgresql_backup_is_restored_on_its_own_engine(
    postgres: PostgresServer, tmp_path: Path, options: list[str]
) -> None:
    (tmp_path / "night").write_bytes(postgres.dump("harbour", *options))

    document = sospes("rehearse", "--side", "private", tmp_path / "night", "--json").document

    assert (document["verdict"], document["rung"]) == ("sound", "consistent"), document["findings"]
    assert document["result"]["side"]["kind"] == "private"
    assert sum(table["rows"] for table in document["result"]["tables"]) == 575
    assert document["result"]["not_rehearsed"] == [], "large objects are restored from archives, too"


def test_a_cluster_is_restored_with_its_roles(postgres: PostgresServer, tmp_path: Path) -> None:
    (tmp_path / "all.sql").write_bytes(postgres.dump_cluster())

    run = sospes("rehearse", "--side", "private", tmp_path / "all.sql", "--json")

    assert set(run.codes) <= {"sequence-behind"}, "other tests may have left a sequence like that in their databases"
    assert "warden" in next(item["message"] for item in run.document["findings"] if item["code"] == "roles-made")


def test_a_cluster_of_many_databases_has_enough_connections(postgres: PostgresServer, tmp_path: Path) -> None:
    table = copy_table("public.tide", [("id", "integer")], [["1"]])
    made = [b"CREATE DATABASE d%d;\n\n\\connect d%d\n\n%s" % (number, number, table) for number in range(30)]
    (tmp_path / "all.sql").write_bytes(postgresql(b"".join(made)))

    document = sospes("rehearse", "--side", "private", tmp_path / "all.sql", "--json").document

    assert document["verdict"] == "sound", document["findings"]
    assert [table["rows"] for table in document["result"]["tables"]] == [1] * 30


@pytest.mark.parametrize("options", [[], ["--hex-blob", "--skip-extended-insert"], ["--databases"]], ids=str)
def test_a_mariadb_backup_is_restored_on_its_own_engine(
    mariadb: MariadbServer, tmp_path: Path, options: list[str]
) -> None:
    (tmp_path / "night.sql").write_bytes(mariadb.dump("--routines", "--events", "--triggers", *options, "harbour"))

    document = sospes("rehearse", "--side", "private", tmp_path / "night.sql", "--json").document

    assert (document["verdict"], document["rung"]) == ("sound", "consistent"), document["findings"]
    assert sum(table["rows"] for table in document["result"]["tables"]) == 314


def test_a_backup_without_the_settings_that_a_restore_needs_first(mariadb: MariadbServer) -> None:
    run = sospes("rehearse", "--side", "private", DUMPS / "mariadb-10-compact.sql", "--json")

    doubts = [item["code"] for item in run.document["findings"] if item["severity"] != "note"]
    assert (run.code, doubts) == (3, ["completeness-unknown"])


def test_what_a_server_refuses_is_placed_and_the_rest_goes_on(postgres: PostgresServer, tmp_path: Path) -> None:
    good = copy_table("public.good", [("x", "integer NOT NULL")], [["1"]], "x")
    twice = copy_table("public.twice", [("x", "integer NOT NULL")], [["1"], ["1"]], "x")
    outside = b"CLUSTER public.good;\n\nCREATE VIEW public.v AS SELECT nothing();\n\n"
    (tmp_path / "a.sql").write_bytes(postgresql(twice + outside + good))

    run = sospes("rehearse", "--side", "private", tmp_path / "a.sql", "--json")

    assert sorted(run.codes) == ["effect-unknown", "statement-failed", "statement-failed", "statement-refused"]
    failed = [item for item in run.document["findings"] if item["code"] == "statement-failed"]
    assert all(item["place"]["line"] for item in failed)
    assert {table["name"]: table["rows"] for table in run.document["result"]["tables"]} == {"twice": 2, "good": 1}
    first = sospes("rehearse", "--side", "private", "--stop-at-first", tmp_path / "a.sql", "--json")
    assert len(first.document["result"]["tables"]) < 2 or len(first.codes) < len(run.codes)


_TIDE = copy_table("public.tide", [("id", "integer")], [["1"]])
_LACKED = {
    "label": "SECURITY LABEL FOR ours ON TABLE public.tide IS 'x';",
    "collation": 'CREATE TABLE public.c (\n    a text COLLATE pg_catalog."xx_XX.utf8"\n);\n\n\nCOPY public.c (a) FROM stdin;\nx\n\\.\n',
    "locale": "CREATE COLLATION public.xx (provider = libc, locale = 'xx_XX.utf8');\n\n\nCREATE TABLE public.c (\n"
    "    a text COLLATE public.xx\n);\n\n\nCREATE VIEW public.v AS\n SELECT c.a\n   FROM public.c;\n",
    "dictionary": "CREATE TEXT SEARCH DICTIONARY public.d (\n    TEMPLATE = pg_catalog.ispell,\n    dictfile = 'ours', afffile = 'ours' );\n",
    "library": "CREATE FUNCTION public.f(text) RETURNS text\n    LANGUAGE c STRICT\n    AS '$libdir/ours', 'f';\n\n\n"
    "CREATE VIEW public.v AS\n SELECT public.f('x'::text) AS f;\n",
    "access method": "SET default_table_access_method = ours;\n\nCREATE TABLE public.c (\n    a integer\n);\n",
    "extension": "CREATE EXTENSION IF NOT EXISTS ours WITH SCHEMA public;\n\n\nCREATE TABLE public.c (\n    a public.our_type\n);\n",
    "option": "ALTER TABLE public.tide SET (ours.x = 1);\n",
}  # fmt: skip


@pytest.mark.parametrize("lacked", _LACKED.values(), ids=_LACKED.keys())
def test_what_this_server_lacks_is_no_fault_of_the_backup(
    postgres: PostgresServer, tmp_path: Path, lacked: str
) -> None:
    (tmp_path / "a.sql").write_bytes(postgresql(_TIDE + lacked.encode() + b"\n\n"))
    assert sospes("verify", tmp_path / "a.sql").code == 0

    run = sospes("rehearse", "--side", "private", tmp_path / "a.sql", "--json")

    assert run.code == 3 and "server-lacks" in run.codes, run.document["findings"]
    assert {item["severity"] for item in run.document["findings"]} <= {"doubt", "note"}


_SPECIAL = {
    "subscription": "CREATE SUBSCRIPTION s CONNECTION 'host=x' PUBLICATION p WITH (connect = false, slot_name = 's');\n",
    "wrapper": "CREATE EXTENSION IF NOT EXISTS postgres_fdw WITH SCHEMA public;\n\n\nCREATE SERVER s FOREIGN DATA WRAPPER postgres_fdw "
    "OPTIONS (\n    host 'x'\n);\n\n\nCREATE FOREIGN TABLE public.ft (\n    a integer\n)\nSERVER s\nOPTIONS (\n    table_name 'x'\n);\n",
    "setting": 'CREATE FUNCTION public.f() RETURNS integer\n    LANGUAGE sql\n    SET "our.setting" TO \'x\'\n    AS $$SELECT 1$$;\n',
    "role": "CREATE FUNCTION public.f() RETURNS integer\n    LANGUAGE sql\n    SET session_replication_role TO 'replica'\n    AS $$SELECT 1$$;\n",
}  # fmt: skip


@pytest.mark.parametrize("special", _SPECIAL.values(), ids=_SPECIAL.keys())
def test_what_superusers_may_do_is_made_behind_walls(postgres: PostgresServer, tmp_path: Path, special: str) -> None:
    (tmp_path / "a.sql").write_bytes(postgresql(_TIDE + special.encode() + b"\n\n"))

    document = sospes("rehearse", "--side", "private", tmp_path / "a.sql", "--json").document

    assert document["verdict"] == "sound", document["findings"]


_OF_MYSQL = {
    "collation": "CREATE TABLE `c` (\n  `a` varchar(10) NOT NULL,\n  PRIMARY KEY (`a`)\n) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 "
    "COLLATE=utf8mb4_0900_as_ci;\nINSERT INTO `c` VALUES ('x');\nCREATE VIEW `v` AS SELECT `a` FROM `c`;\n",
    "index": "CREATE TABLE `c` (\n  `a` int DEFAULT NULL,\n  KEY `k` ((`a` + 1))\n) ENGINE=InnoDB;\nINSERT INTO `c` VALUES (1);\n",
    "check": "CREATE TABLE `c` (\n  `a` int DEFAULT NULL,\n  CONSTRAINT `x` CHECK ((`a` > 1)) /*!80016 NOT ENFORCED */\n) ENGINE=InnoDB;\n"
    "INSERT INTO `c` VALUES (0);\n",
}  # fmt: skip


@pytest.mark.parametrize("text", _OF_MYSQL.values(), ids=_OF_MYSQL.keys())
def test_what_mariadb_does_not_take_of_mysql_is_no_fault(mariadb: MariadbServer, tmp_path: Path, text: str) -> None:
    (tmp_path / "a.sql").write_bytes(mysql(text.encode()))

    run = sospes("rehearse", "--side", "private", tmp_path / "a.sql", "--json")

    assert run.code in {0, 3}, run.document["findings"]
    assert {item["severity"] for item in run.document["findings"]} <= {"doubt", "note"}


def test_a_key_that_comes_twice_is_a_fault_on_any_server(mariadb: MariadbServer, tmp_path: Path) -> None:
    text = b"CREATE TABLE `c` (\n  `a` int NOT NULL,\n  PRIMARY KEY (`a`)\n) ENGINE=InnoDB;\nINSERT INTO `c` VALUES (1),(1);\n"
    (tmp_path / "a.sql").write_bytes(mysql(text))

    run = sospes("rehearse", "--side", "private", tmp_path / "a.sql", "--json")

    assert (run.code, run.codes) == (1, ["rows-refused"])


def test_code_of_the_backup_has_no_rights_of_the_server(postgres: PostgresServer, tmp_path: Path) -> None:
    target = tmp_path / "taken"
    body = f"""CREATE FUNCTION public.reach() RETURNS integer LANGUAGE plpgsql AS $$
begin execute 'copy (select 1) to program ''touch {target}'''; return 1; end $$;

CREATE MATERIALIZED VIEW public.m AS SELECT public.reach() AS x WITH DATA;

"""
    (tmp_path / "a.sql").write_bytes(postgresql(copy_table("public.a", [("x", "integer")], [["1"]]) + body.encode()))
    tmp_path.chmod(0o777)

    run = sospes("rehearse", "--side", "private", tmp_path / "a.sql", "--json")

    assert not target.exists() and run.codes == ["hostile-statement"]
    assert "refused" in run.document["findings"][0]["message"]


def test_routines_are_parsed_though_dumps_store_them_unread(postgres: PostgresServer, tmp_path: Path) -> None:
    routine = "CREATE FUNCTION public.%s() RETURNS integer LANGUAGE %s AS $$ %s $$;\n"
    made = [
        routine % ("whole", "sql", "SELECT x FROM a"), routine % ("stale", "sql", "SELECT x FROM gone"),
        routine % ("hurt", "plpgsql", "begin retrun 1; end"), routine % ("loop", "plpgsql", "begin return 1; end"),
    ]  # fmt: skip
    table = copy_table("public.a", [("x", "integer")], [["1"]])
    text = postgresql(b"SET check_function_bodies = false;\n" + "".join(made).encode() + table)
    (tmp_path / "a.sql").write_bytes(text)

    findings = sospes("rehearse", "--side", "private", tmp_path / "a.sql", "--json").document["findings"]

    told = {(item["code"], item["severity"], item["message"].split(" ")[2]) for item in findings}
    assert told == {("routine-unusable", "note", "public.hurt"), ("routine-doubtful", "note", "public.stale")}


def test_references_that_a_dump_switched_off_are_looked_at(mariadb: MariadbServer, tmp_path: Path) -> None:
    text = mariadb.dump("harbour")
    begin = text.index(b"INSERT INTO `station` VALUES\n")
    end = text.index(b";\n", begin)
    rows = text[begin:end].split(b"),\n(")
    (tmp_path / "night.sql").write_bytes(text[:begin] + b"),\n(".join([rows[0], *rows[2:]]) + text[end:])

    document = sospes("rehearse", "--side", "private", tmp_path / "night.sql", "--json").document

    [told] = [item for item in document["findings"] if item["severity"] != "note"]
    assert (told["severity"], document["verdict"]) == ("doubt", "unproven"), "the source may have been like that"
    assert told["code"] == "reference-broken" and "1 row points to rows of station" in told["message"]


def test_a_reference_to_a_table_that_the_backup_lacks(mariadb: MariadbServer, tmp_path: Path) -> None:
    (tmp_path / "boat.sql").write_bytes(mariadb.dump("harbour", "boat"))

    run = sospes("rehearse", "--side", "private", tmp_path / "boat.sql", "--json")

    assert run.code == 0 and "station" in str(run.document["findings"])


def test_every_index_is_counted_by_itself(postgres: PostgresServer, monkeypatch: pytest.MonkeyPatch) -> None:
    by_itself: dict[str, bool] = {}
    goes_by = checks_postgresql._goes_by

    def watched(connection: psycopg.Connection[Any], query: sql.Composed, index: str) -> bool:
        by_itself[index] = goes_by(connection, query, index)
        return by_itself[index]

    monkeypatch.setattr(checks_postgresql, "_goes_by", watched)
    with psycopg.connect(f"host={postgres.folder} user=postgres dbname=harbour", autocommit=True) as connection:
        assert list(checks_postgresql.check_database(connection, {})) == []

    assert len(by_itself) > 8 and all(by_itself.values()), by_itself


def test_a_sequence_that_stands_behind_its_column(postgres: PostgresServer, tmp_path: Path) -> None:
    table = copy_table("public.a", [("x", "integer NOT NULL")], [["1"], ["7"]], "x")
    sequence = b"""CREATE SEQUENCE public.a_x_seq;

ALTER SEQUENCE public.a_x_seq OWNED BY public.a.x;

SELECT pg_catalog.setval('public.a_x_seq', 3, true);

"""
    (tmp_path / "a.sql").write_bytes(postgresql(table + sequence))

    run = sospes("rehearse", "--side", "private", tmp_path / "a.sql", "--json")
    assert run.code == 0, "the source may have it so"
    assert [item["code"] for item in run.document["findings"]] == ["sequence-behind"]


def test_a_newer_backup_does_not_go_into_an_older_server(postgres: PostgresServer, tmp_path: Path) -> None:
    text = postgresql(b"").replace(b"from database version", b"from database version 99.1 was")
    (tmp_path / "a.sql").write_bytes(text)
    run = sospes("rehearse", "--side", "private", tmp_path / "a.sql", "--server-bin", tmp_path)

    assert run.code == 3 and "install the package postgresql" in run.err


def test_a_killed_run_leaves_what_tidy_finds(postgres: PostgresServer, tmp_path: Path) -> None:
    rows = [[str(row), "x" * 200] for row in range(150_000)]
    big = copy_table("public.a", [("x", "integer NOT NULL"), ("y", "text")], rows, "x")
    (tmp_path / "a.sql").write_bytes(postgresql(big * 1))
    before = _left()
    command = [sys.executable, "-m", "sospes", "rehearse", "--side", "private", str(tmp_path / "a.sql")]
    running = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
    deadline = time.monotonic() + 30
    while not any((folder / "data").exists() for folder in _left() - before) and time.monotonic() < deadline:
        time.sleep(0.05)
    [folder] = _left() - before

    in_use = sospes("tidy", "--drop", "--json").document["result"]["left"]
    running.send_signal(signal.SIGKILL)
    running.wait()
    dropped = sospes("tidy", "--drop", "--json").document["result"]["left"]

    assert [item["dropped"] for item in in_use if item["location"] == str(folder)] == [False]
    assert [item["dropped"] for item in dropped if item["location"] == str(folder)] == [True]
    assert not folder.exists()


def test_tidy_never_touches_what_carries_no_mark(tmp_path: Path) -> None:
    stranger = tmp_path / f"{PREFIX}stranger"
    stranger.mkdir()
    (stranger / "precious").write_text("x")

    assert sospes("tidy", "--drop", "--work-folder", tmp_path, "--json").document["result"]["left"] == []
    assert (stranger / "precious").exists()


def test_a_backup_against_live_postgresql(postgres: PostgresServer, tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(postgres.dump("harbour"))
    postgres.run_sql("postgres", "CREATE DATABASE compared TEMPLATE harbour")
    try:
        same = sospes("compare", tmp_path / "night.sql", postgres.address("compared"), "--json").document
        assert (same["verdict"], "matched" in same["evidence"]) == ("sound", True)

        postgres.run_sql("compared", "UPDATE rescue.station SET name = 'X' WHERE id = 1")
        postgres.run_sql("compared", "DELETE FROM rescue.call_out WHERE id = 5")
        unsure = sospes("compare", tmp_path / "night.sql", postgres.address("compared"), "--json")
        words = ["--drift-by", "changed_at", "--written-at", "2026-11-01T00:00:00+00:00"]
        # a trigger of the table notes when it is changed
        told = sospes("compare", tmp_path / "night.sql", postgres.address("compared"), *words, "--json")
    finally:
        postgres.run_sql("postgres", "DROP DATABASE compared")

    assert sorted(unsure.codes) == ["rows-changed", "rows-missing"] and unsure.code == 3
    assert told.codes == ["rows-missing"]
    assert {table["name"]: table["drift"] for table in told.document["result"]["tables"]}["station"] == 1


def test_a_backup_against_live_mariadb(mariadb: MariadbServer, tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(mariadb.dump("--routines", "--events", "harbour"))

    found = sospes("compare", tmp_path / "night.sql", mariadb.address("harbour"), "--json").document

    assert found["verdict"] == "sound", found["findings"]
    assert sum(table["same"] for table in found["result"]["tables"]) == 314


def test_live_is_only_read(postgres: PostgresServer, tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(postgres.dump("harbour"))
    writes = "SELECT sum(n_tup_ins + n_tup_upd + n_tup_del) FROM pg_stat_user_tables"
    before = postgres.query("harbour", writes)

    sospes("compare", tmp_path / "night.sql", postgres.address("harbour"))

    assert postgres.query("harbour", writes) == before


def test_passwords_and_profiles(postgres: PostgresServer, tmp_path: Path) -> None:
    config = tmp_path / "sospes.toml"
    config.write_text(
        f'[profiles.live]\nurl = "{postgres.address("harbour")}"\npassword-file = "{tmp_path}/secret"\n'
        '[profiles.bare]\nurl = "postgresql://postgres@/nothing?host=/nowhere"\npassword-env = "NOT_SET"\n'
    )
    secret = tmp_path / "secret"
    secret.write_text("not asked for\n")
    backup = DUMPS / "postgresql-18-schema.sql"
    assert "a password in an address" in sospes("compare", backup, "postgresql://me:pw@host/db").err
    secret.chmod(0o644)
    assert "chmod 600" in sospes("compare", backup, "@live", "--config", config).err
    secret.chmod(0o600)
    assert sospes("compare", backup, "@live", "--config", config).code in {1, 3}
    assert "NOT_SET" in sospes("compare", backup, "@bare", "--config", config).err
    assert "no such profile" in sospes("compare", backup, "@other", "--config", config).err
    assert os.environ.get("PGPASSWORD") is None
    unreachable = sospes("compare", backup, "postgresql://postgres@/db?host=/nowhere")
    assert unreachable.code == 3 and "check that the server runs" in unreachable.err


@pytest.mark.parametrize("options", [[], ["--inserts"], ["-Fc"]], ids=str)
def test_extreme_values_of_every_type(postgres: PostgresServer, tmp_path: Path, options: list[str]) -> None:
    postgres.run_sql("postgres", "CREATE DATABASE types")
    try:
        postgres.run_sql("types", (INPUTS / "types_postgresql.sql").read_text())
        (tmp_path / "night").write_bytes(postgres.dump("types", *options))

        for words in (["verify", "--values"], ["rehearse"], ["rehearse", "--side", "private"]):
            run = sospes(*words, tmp_path / "night", "--json")
            assert (run.code, run.codes) == (0, []), words
        assert sospes("compare", tmp_path / "night", postgres.address("types"), "--json").code == 0
    finally:
        postgres.run_sql("postgres", "DROP DATABASE types")


def test_a_gentle_comparison_finds_the_same(postgres: PostgresServer, tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(postgres.dump("harbour"))
    run = sospes("compare", "--gentle", tmp_path / "night.sql", postgres.address("harbour"), "--json")
    assert run.code == 0 and sum(table["same"] for table in run.document["result"]["tables"]) == 575


def test_a_password_of_the_keyring(monkeypatch: pytest.MonkeyPatch) -> None:
    class Locked(Exception):
        pass

    entries = {("live", "auditor"): "secret"}

    def password(service: str, user: str) -> str | None:
        if service == "locked":
            raise Locked("is locked")
        return entries.get((service, user))

    keyring = SimpleNamespace(get_password=password, errors=SimpleNamespace(KeyringError=Locked))
    monkeypatch.setitem(sys.modules, "keyring", keyring)

    def address(entry: str) -> Address:
        return address_of("live", Profile("postgresql://auditor@db/rescue", password_keyring=entry), {})

    assert address("live/auditor").password == "secret" and "secret" not in repr(address("live/auditor"))
    for entry, error in (("auditor", UsageError), ("live/other", CannotCheck), ("locked/auditor", CannotCheck)):
        with pytest.raises(error):
            address(entry)
    monkeypatch.setitem(sys.modules, "keyring", None)
    with pytest.raises(CannotCheck, match="not installed"):
        address("live/auditor")

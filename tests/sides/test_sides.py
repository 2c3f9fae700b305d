"""Side copies on servers in use, and what a server lacks."""

from __future__ import annotations

import json
import os
import re
import resource
import shutil
import signal
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

import pytest

from sospes.sides.postgresql.hosts import SharedHost
from sospes.sides.servers.address import read_address
from sospes.sides.servers.marks import MARK, Naming, is_prefix, read_mark
from tests.backups import mysql, numbers, postgresql
from tests.conftest import INPUTS, assert_sound, left_on, sospes
from tests.servers import PostgresServer

KEEPER = "DO $$ begin create role keeper login createdb createrole; exception when duplicate_object then null; end $$;"


@pytest.fixture
def shared(postgres: PostgresServer) -> str:
    """A PostgreSQL server in use, as a user who may make databases and nothing else."""
    postgres.run_sql("postgres", KEEPER)
    return f"postgresql://keeper@/postgres?host={postgres.folder}"


def _databases(server: PostgresServer) -> set[str]:
    return set(server.query("postgres", "SELECT datname FROM pg_database").decode().split())


# -- servers in use


@pytest.mark.servers
@pytest.mark.parametrize("options", [[], ["-Fc"], ["--create", "--inserts"]], ids=str)
def test_a_side_copy_on_a_postgresql_server_in_use(
    postgres: PostgresServer, shared: str, tmp_path: Path, options: list[str]
) -> None:
    (tmp_path / "night").write_bytes(postgres.dump("harbour", *options))
    before = _databases(postgres)

    document = sospes("rehearse", "--side", shared, tmp_path / "night", "--json").document

    assert (document["verdict"], document["rung"]) == ("sound", "consistent"), document["findings"]
    assert [item["code"] for item in document["findings"]] == ["owners-left-out"]
    side = document["result"]["side"]
    assert side["kind"] == "server" and not side["kept"] and side["engine_version"].startswith(("1", "9"))
    assert sum(table["rows"] for table in document["result"]["tables"]) == 575
    assert _databases(postgres) == before


@pytest.mark.servers
@pytest.mark.parametrize("options", [[], ["--inserts"], ["-Fc"], ["-Ft"]], ids=str)
@pytest.mark.parametrize("name", ["nasty", "types", "objects"])
def test_what_was_restored_is_the_source_value_by_value(
    postgres: PostgresServer, shared: str, tmp_path: Path, name: str, options: list[str]
) -> None:
    """Backup against source, restored copy against backup, source against restored copy."""
    postgres.run_sql("postgres", "CREATE DATABASE source")
    try:
        text = (INPUTS / f"{name}_postgresql.sql").read_text()
        text = re.sub(r"(?i)CREATE EVENT TRIGGER.*?;", "", text)  # needs a superuser
        postgres.run_sql("source", re.sub(r"(?i)CREATE ROLE warden.*?;", "", text))  # the server has that one
        source, night = postgres.address("source"), tmp_path / "night"
        night.write_bytes(postgres.dump("source", *options))
        assert_sound(night, source)
        document = sospes("rehearse", "--side", shared, "--keep", night, "--json").document
        assert document["verdict"] == "sound", document["findings"]
        copy = document["result"]["side"]["location"].split("/")[-1]
        copied = postgres.address(copy)
        assert_sound(night, copied)
        assert_sound(source, copied)
    finally:
        postgres.run_sql("postgres", "DROP DATABASE source")
        assert sospes("tidy", shared, "--drop").code == 0


@pytest.mark.servers
@pytest.mark.parametrize("options", [[], ["-Fc"], ["-Ft"]], ids=str)
def test_large_objects_are_compared_byte_by_byte(postgres: PostgresServer, tmp_path: Path, options: list[str]) -> None:
    postgres.run_sql("postgres", "CREATE DATABASE source")
    try:
        big = "SELECT lo_from_bytea(4242, decode(repeat('00ff27', 900000), 'hex')), lo_create(77)"
        postgres.run_sql("source", f"CREATE TABLE gauge (id int); {big}")
        source, night = postgres.address("source"), tmp_path / "night"
        night.write_bytes(postgres.dump("source", *options))
        assert_sound(night, source)
        postgres.run_sql("source", "SELECT lo_put(4242, 2000000, '\\x01')")
        [found] = sospes("compare", night, source, "--json").document["result"]["objects"]
        assert (found["kind"], found["name"], found["state"]) == ("large object", "4242", "changed")
        one_table = sospes("compare", night, source, "--table", "gauge", "--json").document
        assert one_table["verdict"] == "sound" and one_table["result"]["objects"] == []
        postgres.run_sql("source", "SELECT lo_unlink(4242)")
        [found] = sospes("compare", night, source, "--json").document["result"]["objects"]
        assert (found["kind"], found["name"], found["state"]) == ("large object", "4242", "only-left")
    finally:
        postgres.run_sql("postgres", "DROP DATABASE source")


@pytest.mark.servers
def test_a_kept_side_copy_is_marked_and_tidy_drops_only_such(
    postgres: PostgresServer, shared: str, tmp_path: Path
) -> None:
    (tmp_path / "night.sql").write_bytes(postgres.dump("harbour"))
    postgres.run_sql("postgres", "CREATE DATABASE sospes_harbour_20200101_000000 OWNER keeper")
    before = _databases(postgres)
    try:
        run = sospes("rehearse", "--side", shared, "--keep", "--name-prefix", "try_", tmp_path / "night.sql", "--json")
        [made] = _databases(postgres) - before
        assert made.startswith("try_") and run.document["result"]["side"]["location"].endswith(made)
        assert b"harbour" not in postgres.query("postgres", f"SELECT datacl FROM pg_database WHERE datname = '{made}'")

        left = {item["location"].rsplit("/", 1)[1]: item for item in left_on(shared)}
        assert left[made]["signed"] and not left[made]["dropped"] and made in _databases(postgres)
        assert not left["sospes_harbour_20200101_000000"]["signed"], "the name alone is no mark"
        dropped = [item for item in left_on(shared, "--drop") if item["dropped"]]
        assert [item["location"].rsplit("/", 1)[1] for item in dropped] == [made] and _databases(postgres) == before
    finally:
        postgres.run_sql("postgres", "DROP DATABASE IF EXISTS sospes_harbour_20200101_000000")


@pytest.mark.servers
def test_a_mark_can_not_be_forged(
    postgres: PostgresServer, shared: str, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Somebody's live database with the very mark of a side copy, with one made up, and with another user's."""
    (tmp_path / "night.sql").write_bytes(postgresql(numbers("public.a", 3)))
    for name in ("live_copied", "live_made_up", "sospes_live_20260101_000000"):
        postgres.run_sql("postgres", f"CREATE DATABASE {name} OWNER keeper")
    before = _databases(postgres)
    try:
        assert sospes("rehearse", "--side", shared, "--keep", tmp_path / "night.sql").code == 0
        [made] = _databases(postgres) - before
        mark = postgres.query(
            "postgres", f"SELECT shobj_description(oid, 'pg_database') FROM pg_database WHERE datname = '{made}'"
        ).decode().strip()  # fmt: skip
        postgres.run_sql("postgres", f"COMMENT ON DATABASE live_copied IS $x${mark}$x$")
        postgres.run_sql("postgres", f"COMMENT ON DATABASE sospes_live_20260101_000000 IS $x${mark}$x$")
        made_up = json.dumps({"backup": "night", "at": "2026-01-01", "signature": "0" * 64})
        postgres.run_sql("postgres", f"COMMENT ON DATABASE live_made_up IS $x$made by sospes: {made_up}$x$")

        told = {item["location"].rsplit("/", 1)[1]: item["signed"] for item in left_on(shared, "--drop")}
        assert told == {
            made: True, "live_copied": False, "live_made_up": False, "sospes_live_20260101_000000": False
        }  # fmt: skip
        assert _databases(postgres) == before
        assert "left alone" in sospes("tidy", shared).out

        assert sospes("rehearse", "--side", shared, "--keep", tmp_path / "night.sql").code == 0
        [other] = _databases(postgres) - before
        monkeypatch.setenv("XDG_STATE_HOME", str(tmp_path / "of-another-user"))
        assert not any(item["dropped"] for item in left_on(shared, "--drop")), "another user's is not ours to drop"
        assert (tmp_path / "of-another-user/sospes/secret").stat().st_mode & 0o777 == 0o600
        postgres.run_sql("postgres", f"DROP DATABASE {other}")
    finally:
        for name in _databases(postgres) - {"postgres", "template0", "template1", "harbour"}:
            if name.startswith(("live_", "sospes_")):
                postgres.run_sql("postgres", f'DROP DATABASE "{name}"')


_HIDES = b"""
CREATE FUNCTION public.hide() RETURNS integer
    LANGUAGE plpgsql
    AS $$BEGIN
  EXECUTE format('ALTER DATABASE %I IS_TEMPLATE true', current_database());
  EXECUTE format('COMMENT ON DATABASE %I IS NULL', current_database());
  EXECUTE format('ALTER DATABASE %I CONNECTION LIMIT 0', current_database());
  EXECUTE format('ALTER DATABASE %I SET default_transaction_read_only = on', current_database());
  RETURN 1;
END$$;

CREATE TABLE public.tide (
    x integer NOT NULL,
    CONSTRAINT hidden CHECK ((public.hide() > 0))
);

COPY public.tide (x) FROM stdin;
1
\\.


"""
"""A backup whose code makes a template of its own side copy, takes the mark away, and lets nobody in or write."""


@pytest.mark.servers
@pytest.mark.parametrize("keep", [True, False], ids=["kept", "dropped"])
def test_a_copy_that_hides_is_found_and_dropped(
    postgres: PostgresServer, shared: str, tmp_path: Path, keep: bool
) -> None:
    (tmp_path / "night.sql").write_bytes(postgresql(_HIDES))
    before = _databases(postgres)

    run = sospes("rehearse", "--side", shared, *["--keep"] * keep, "--name-prefix", "try_", tmp_path / "night.sql")

    assert run.code == 0, run.out + run.err
    assert len(_databases(postgres) - before) == keep
    assert [item["dropped"] for item in left_on(shared, "--drop")] == [True] * keep
    assert _databases(postgres) == before


@pytest.mark.servers
def test_a_copy_without_its_mark_is_known_by_the_role_of_its_restore(
    postgres: PostgresServer, shared: str, tmp_path: Path
) -> None:
    """As a killed restore leaves it."""
    address = read_address(shared, os.environ)
    host = SharedHost(address, Naming("try_", "night.sql", datetime(2026, 1, 2, 3, 4, 5, tzinfo=UTC)), "UTF8")
    for session in host.sessions(None, 2):
        session.close()
    [name] = host.made.values()
    postgres.run_sql("postgres", f"COMMENT ON DATABASE {name} IS NULL; ALTER DATABASE {name} IS_TEMPLATE true")

    [told] = left_on(shared, "--drop")

    assert told["dropped"] and (told["kind"], told["backup"]) == ("database", "night.sql")
    assert name not in _databases(postgres)


@pytest.mark.servers
@pytest.mark.parametrize("where", ["private", "in use"])
def test_tablespaces_are_left_out_and_told(postgres: PostgresServer, shared: str, tmp_path: Path, where: str) -> None:
    """They are folders of another machine; on a server in use they would be live ones."""
    folder = postgres.folder / f"fast disk {where}"
    folder.mkdir()
    if postgres.user is not None:
        shutil.chown(folder, postgres.user)
    postgres.run_sql("postgres", f"CREATE TABLESPACE \"fast disk\" LOCATION '{folder}'")
    postgres.run_sql("postgres", 'CREATE DATABASE spread TABLESPACE "fast disk"')
    postgres.run_sql(
        "spread",
        'CREATE TABLE plain (tablespace int PRIMARY KEY) TABLESPACE pg_default; CREATE TABLE near (a int) TABLESPACE "fast disk";'
        "CREATE INDEX i ON plain (tablespace) TABLESPACE pg_default WHERE tablespace IS NOT NULL;"
        "INSERT INTO plain VALUES (1), (2); CREATE MATERIALIZED VIEW m TABLESPACE pg_default AS SELECT tablespace FROM plain;",
    )
    try:
        (tmp_path / "plain.sql").write_bytes(postgres.dump("spread"))
        (tmp_path / "made.sql").write_bytes(postgres.dump("spread", "--create"))
        (tmp_path / "night.dump").write_bytes(postgres.dump("spread", "-Fc"))
        for name in ("plain.sql", "made.sql", "night.dump"):
            side = shared if where == "in use" else "private"
            document = sospes("rehearse", "--side", side, tmp_path / name, "--json").document
            assert document["verdict"] == "sound", (name, document["findings"])
            told = [item["code"] for item in document["findings"]]
            assert told.count("folders-left-out") == (name != "night.dump"), (name, document["findings"])
        assert "folders-left-out" not in {item["code"] for item in _sound_harbour(postgres, tmp_path, shared)}
    finally:
        postgres.run_sql("postgres", "DROP DATABASE spread")
        postgres.run_sql("postgres", 'DROP TABLESPACE "fast disk"')


def _sound_harbour(postgres: PostgresServer, folder: Path, shared: str) -> list[dict[str, Any]]:
    """What is told of a database without tablespaces."""
    (folder / "harbour.sql").write_bytes(postgres.dump("harbour"))
    found: list[dict[str, Any]] = sospes("rehearse", "--side", shared, folder / "harbour.sql", "--json").document[
        "findings"
    ]
    return found


@pytest.mark.servers
def test_a_role_whose_database_is_gone_is_found_and_dropped(
    postgres: PostgresServer, shared: str, tmp_path: Path
) -> None:
    address = read_address(shared, os.environ)
    naming = Naming("sospes_", "night.sql", datetime(2026, 1, 2, 3, 4, 5, tzinfo=UTC))
    host = SharedHost(address, naming, "UTF8")
    for session in host.sessions(None, 2):
        session.close()
    [name] = host.made.values()
    roles = f"SELECT rolname FROM pg_roles WHERE rolname = '{name}'"
    try:
        assert [item["kind"] for item in left_on(shared)] == ["database"], "a role with its database goes with it"
        postgres.run_sql("postgres", f"DROP DATABASE {name}")
        postgres.run_sql("postgres", f"CREATE ROLE sospes_forged; COMMENT ON ROLE sospes_forged IS '{MARK}{{}}'")
        told = {
            item["location"].rsplit("/", 1)[1]: (item["kind"], item["dropped"]) for item in left_on(shared, "--drop")
        }
        assert told == {name: ("role", True), "sospes_forged": ("role", False)}
        assert postgres.query("postgres", roles) == b""
    finally:
        postgres.run_sql("postgres", f"DROP DATABASE IF EXISTS {name}")
        postgres.run_sql("postgres", f"DROP ROLE IF EXISTS {name}; DROP ROLE IF EXISTS sospes_forged")


@pytest.mark.servers
def test_a_side_copy_that_renames_itself_is_dropped_all_the_same(
    postgres: PostgresServer, shared: str, tmp_path: Path
) -> None:
    sly = (
        b"CREATE FUNCTION public.sly() RETURNS integer\n    LANGUAGE plpgsql\n    AS $$BEGIN "
        b"EXECUTE format('COMMENT ON DATABASE %I IS NULL', current_database()); RETURN 1; END$$;\n\n"
        b"CREATE TABLE public.b (x integer DEFAULT public.sly());\n\nCREATE VIEW public.v AS SELECT public.sly();\n\n"
        b"CREATE MATERIALIZED VIEW public.m AS SELECT public.sly() AS x WITH DATA;\n\n"
    )
    (tmp_path / "night.sql").write_bytes(postgresql(numbers("public.a", 3) + sly))
    before = _databases(postgres)

    sospes("rehearse", "--side", shared, tmp_path / "night.sql")

    assert _databases(postgres) == before


@pytest.mark.servers
def test_all_that_a_server_lacks_is_said_at_once(postgres: PostgresServer, tmp_path: Path) -> None:
    extension = b"CREATE EXTENSION IF NOT EXISTS postgis WITH SCHEMA public;\n\n"
    text = postgresql(numbers("public.a", 3) + extension)
    newer = text.replace(b"from database version 1", b"from database version 31")
    (tmp_path / "a.sql").write_bytes(newer)
    before = _databases(postgres)

    run = sospes("rehearse", "--side", postgres.address("postgres"), tmp_path / "a.sql")

    assert run.code == 3 and all(word in run.err for word in ("2 things", "older", "postgis"))
    assert _databases(postgres) == before
    (tmp_path / "a.sql").write_bytes(text)
    private = sospes("rehearse", "--side", "private", tmp_path / "a.sql")
    assert private.code == 3 and "postgis is not installed" in private.err


@pytest.mark.servers
def test_a_user_who_may_not_make_databases(postgres: PostgresServer, tmp_path: Path) -> None:
    postgres.run_sql("postgres", "CREATE ROLE looker LOGIN")
    try:
        (tmp_path / "a.sql").write_bytes(postgresql(numbers("public.a", 3)))
        address = f"postgresql://looker@/postgres?host={postgres.folder}"
        run = sospes("rehearse", "--side", address, tmp_path / "a.sql")
        assert run.code == 3 and "CREATEDB" in run.err
    finally:
        postgres.run_sql("postgres", "DROP ROLE looker")


def _roles(server: PostgresServer) -> set[str]:
    return set(
        server.query("postgres", "SELECT rolname FROM pg_roles WHERE rolname NOT LIKE 'pg\\_%'").decode().split()
    )


STEPS = (
    "RESET ROLE", "SET ROLE keeper", "SET SESSION AUTHORIZATION keeper", "COMMENT ON DATABASE live IS NULL",
    "CREATE ROLE evil", "ALTER ROLE keeper CREATEDB", "GRANT keeper TO PUBLIC", "CREATE DATABASE evil",
    "ALTER DATABASE live RENAME TO evil", "COPY (SELECT 1) TO PROGRAM $p$true$p$",
)  # fmt: skip
SLY = (
    "CREATE FUNCTION public.sly() RETURNS text\n    LANGUAGE plpgsql\n    AS $x$DECLARE said text := ''; step text; BEGIN\n"
    f"FOREACH step IN ARRAY ARRAY[{', '.join(repr(step) for step in STEPS)}] LOOP\n"
    "BEGIN EXECUTE step; said := said || step || ' by ' || current_user || ';'; EXCEPTION WHEN OTHERS THEN NULL; END; "
    "END LOOP;\nRETURN said || current_user; END$x$;\n\n"
    "CREATE TABLE public.told (\n    said text DEFAULT public.sly()\n);\n\nINSERT INTO public.told DEFAULT VALUES;\n\n"
)


@pytest.mark.servers
def test_a_restore_has_a_role_of_its_own_that_may_do_nothing_else(
    postgres: PostgresServer, shared: str, tmp_path: Path
) -> None:
    (tmp_path / "night.sql").write_bytes(postgresql(SLY.encode()))
    postgres.run_sql("postgres", "CREATE DATABASE live OWNER keeper")
    postgres.run_sql("postgres", "COMMENT ON DATABASE live IS 'in use'")
    before, roles = _databases(postgres), _roles(postgres)
    try:
        for address, user in (
            (shared, "keeper"),
            (postgres.address("postgres"), "postgres"),
        ):
            run = sospes("rehearse", "--side", address, "--keep", tmp_path / "night.sql", "--json")
            [made] = _databases(postgres) - before
            said = postgres.query(made, "SELECT said FROM public.told").decode().strip()
            assert said == f"RESET ROLE by {made};{made}", (said, run.document["findings"])
            assert _roles(postgres) == roles, "the role is gone, what it made is the user's"
            owned = postgres.query(made, "SELECT tableowner FROM pg_tables WHERE tablename = 'told'")
            owner = postgres.query(made, f"SELECT datdba::regrole FROM pg_database WHERE datname = '{made}'")
            assert (owned.decode().strip(), owner.decode().strip()) == (user, user)
            assert [item["dropped"] for item in left_on(address, "--drop") if item["location"].endswith(made)] == [True]
            sospes("rehearse", "--side", address, tmp_path / "night.sql")
            assert (_databases(postgres), _roles(postgres)) == (before, roles)
        comment = "SELECT shobj_description(oid, 'pg_database') FROM pg_database WHERE datname = 'live'"
        assert postgres.query("postgres", comment).strip() == b"in use"
    finally:
        postgres.run_sql("postgres", "DROP DATABASE live")


@pytest.mark.servers
def test_a_user_who_may_not_make_roles(postgres: PostgresServer, tmp_path: Path) -> None:
    postgres.run_sql("postgres", "CREATE ROLE maker LOGIN CREATEDB")
    before = _databases(postgres), _roles(postgres)
    try:
        (tmp_path / "a.sql").write_bytes(postgresql(numbers("public.a", 3)))
        address = f"postgresql://maker@/postgres?host={postgres.folder}"
        run = sospes("rehearse", "--side", address, tmp_path / "a.sql")
        assert run.code == 3 and "ALTER ROLE maker CREATEROLE" in run.err and "--trust-backup" in run.err
        assert sospes("rehearse", "--side", address, "--trust-backup", tmp_path / "a.sql").code == 0
        assert (_databases(postgres), _roles(postgres)) == before
    finally:
        postgres.run_sql("postgres", "DROP ROLE maker")


@pytest.mark.servers
def test_a_server_that_ends_midway_proves_nothing(postgres: PostgresServer, shared: str, tmp_path: Path) -> None:
    cut = b"SELECT pg_catalog.set_config('statement_timeout', '1', false);\n\n"
    slow = b"CREATE MATERIALIZED VIEW public.m AS SELECT pg_sleep(3)::text AS x WITH DATA;\n\n"
    (tmp_path / "a.sql").write_bytes(postgresql(numbers("public.a", 3) + cut + slow))
    before = _databases(postgres)

    run = sospes("rehearse", "--side", shared, tmp_path / "a.sql", "--json")

    assert run.code == 3 and run.document["verdict"] == "unproven", run.document["findings"]
    assert _databases(postgres) == before, "nothing is left of it"


@pytest.mark.servers
def test_a_killed_restore_leaves_a_marked_database(postgres: PostgresServer, shared: str, tmp_path: Path) -> None:
    slow = b"CREATE MATERIALIZED VIEW public.m AS SELECT pg_sleep(9)::text AS x WITH DATA;\n\n"
    (tmp_path / "a.sql").write_bytes(postgresql(numbers("public.a", 3) + slow))
    before = _databases(postgres)
    command = [sys.executable, "-m", "sospes", "rehearse", "--side", shared, str(tmp_path / "a.sql")]
    running = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
    deadline = time.monotonic() + 30
    while _databases(postgres) == before and time.monotonic() < deadline:
        time.sleep(0.02)
    used = sospes("tidy", shared, "--drop", "--json").document["result"]["left"]
    running.send_signal(signal.SIGKILL)
    running.wait()
    deadline = time.monotonic() + 30
    while _databases(postgres) != before and time.monotonic() < deadline:
        left = sospes("tidy", shared, "--drop", "--json").document["result"]["left"]  # its sessions end in a moment
        time.sleep(0.2)

    assert not any(item["dropped"] for item in used), "what a run uses stays"
    assert _databases(postgres) == before and all(item["kind"] == "database" for item in left)


@pytest.mark.servers
def test_an_interrupted_restore_drops_its_database(postgres: PostgresServer, shared: str, tmp_path: Path) -> None:
    (tmp_path / "a.sql").write_bytes(postgresql(numbers("public.a", 400_000)))
    before = _databases(postgres)
    handler = signal.signal(signal.SIGINT, signal.default_int_handler)  # in a shell's background job it is ignored
    command = [sys.executable, "-m", "sospes", "rehearse", "--side", shared, str(tmp_path / "a.sql")]
    running = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.PIPE)
    signal.signal(signal.SIGINT, handler)
    busy = "SELECT count(*) FROM pg_stat_activity WHERE query LIKE 'COPY public.a%' AND state = 'active'"
    deadline = time.monotonic() + 30
    while postgres.query("postgres", busy).strip() == b"0" and time.monotonic() < deadline:
        time.sleep(0.02)
    running.send_signal(signal.SIGINT)
    said = running.communicate(timeout=60)[1]

    assert running.returncode == 130 and b"Traceback" not in said, said
    assert _databases(postgres) == before


@pytest.mark.servers
@pytest.mark.parametrize("engine", ["postgresql", "mariadb"])
def test_no_space_proves_nothing(request: pytest.FixtureRequest, tmp_path: Path, engine: str) -> None:
    """No file may grow beyond 24 MiB, which a server takes as it takes a full disk."""
    request.getfixturevalue("postgres" if engine == "postgresql" else "mariadb")
    text = postgresql(numbers("public.a", 600_000, key=""))
    if engine == "mariadb":
        rows = ",".join(f"({row},'{'x' * 100}')" for row in range(300_000))
        text = mysql(f"CREATE TABLE `a` (`x` int, `y` text) ENGINE=InnoDB;\nINSERT INTO `a` VALUES {rows};\n".encode())
    (tmp_path / "a.sql").write_bytes(text)
    before = set(Path(tempfile.gettempdir()).glob("sospes-private-*"))
    limit = 24 << 20 if engine == "postgresql" else 110 << 20

    done = subprocess.run(
        [sys.executable, "-m", "sospes", "rehearse", "--side", "private", str(tmp_path / "a.sql"), "--json"],
        capture_output=True, check=False, preexec_fn=lambda: resource.setrlimit(resource.RLIMIT_FSIZE, (limit, limit)),
    )  # fmt: skip

    document = json.loads(done.stdout)
    assert done.returncode in {0, 3} and document["verdict"] != "unsound", document["findings"]
    assert engine == "mariadb" or done.returncode == 3
    assert set(Path(tempfile.gettempdir()).glob("sospes-private-*")) <= before


@pytest.fixture(autouse=True)
def _nothing_is_left(request: pytest.FixtureRequest) -> Iterator[None]:
    yield
    if "postgres" in request.fixturenames:
        server: PostgresServer = request.getfixturevalue("postgres")
        assert not [name for name in _databases(server) if name.startswith(("sospes_", "try_"))]


def test_options_that_do_not_go_together(tmp_path: Path) -> None:
    (tmp_path / "a.sql").write_bytes(postgresql(numbers("public.a", 1)))
    for words in (
        ["--side", "elsewhere"], ["--side", "private", "--keep"], ["--side", "private", "--salvage"],
        ["--trust-backup"], ["--side", "mariadb://localhost/"], ["--workers", "0"], ["--name-prefix", "Über"],
    ):  # fmt: skip
        assert sospes("rehearse", tmp_path / "a.sql", *words).code == 2, words


# -- names and marks


def test_names_fit_the_servers_and_are_marked(tmp_path: Path) -> None:
    when = datetime(2026, 11, 23, 14, 15, 2, tzinfo=UTC)
    naming = Naming("sospes_", "night.sql", when, 'Old Logs; "x"')
    assert naming.name(None) == "sospes_old_logs_x_20261123_141502"
    assert naming.name("harbour") == "sospes_harbour_20261123_141502"
    assert len(naming.name("x" * 200)) == 63 and naming.name("ø") == "sospes_side_20261123_141502"
    mark = naming.mark("a", "16400", tmp_path)
    marked = read_mark(("a", "16400", mark), 5, 1, tmp_path)
    assert marked is not None and (marked.backup, marked.in_use, marked.signed) == ("night.sql", True, True)
    for name, identity, text in (
        ("b", "16400", mark), ("a", "16401", mark), ("a", "16400", mark.replace("night", "other")),
        ("a", "16400", "made by sospes: " + json.dumps([1])), ("a", "16400", "made by sospes: {"),
        (naming.name(None), "16400", None), (naming.name(None), "16400", "by hand"),
    ):  # fmt: skip
        other = read_mark((name, identity, text), None, 0, tmp_path)
        assert other is not None and not other.signed, (name, identity, text)
    for nothing in ("made by hand", None):
        assert read_mark(("a", "1", nothing), None, 0, tmp_path) is None
    assert is_prefix("sospes_") and not is_prefix("x;") and not is_prefix("9a")


def test_rows_that_policies_hide_from_their_own_owner_are_there(
    postgres: PostgresServer, shared: str, tmp_path: Path
) -> None:
    postgres.run_sql("postgres", "CREATE DATABASE hidden")
    try:
        postgres.run_sql(
            "hidden",
            "CREATE TABLE secret (id int PRIMARY KEY, owner text); INSERT INTO secret SELECT g, 'nobody' FROM generate_series(1, 9) g;"
            "ALTER TABLE secret ENABLE ROW LEVEL SECURITY; ALTER TABLE secret FORCE ROW LEVEL SECURITY;"
            "CREATE POLICY own ON secret USING (owner = current_user)",
        )
        night = tmp_path / "night.sql"
        night.write_bytes(postgres.dump("hidden", "--no-owner"))
        document = sospes("rehearse", "--side", shared, night, "--json").document
        assert (document["verdict"], document["rung"]) == ("sound", "consistent"), document["findings"]
    finally:
        postgres.run_sql("postgres", "DROP DATABASE hidden")

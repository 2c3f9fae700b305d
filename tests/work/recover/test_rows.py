"""Rows and definitions of base backups, at a moment: extracted, compared, mended, on servers 15, 17 and 18."""

from __future__ import annotations

import gzip
import json
import shutil
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

from tests.conftest import DUMPS, _servers_or_skip, folder_for_all, sospes
from tests.servers import PostgresServer, archive_folder, newer_postgres_folders, postgres_folders
from tests.worlds import ARCHIVING, World

servers = pytest.mark.servers

MORE = """
CREATE UNLOGGED TABLE draft (id int); INSERT INTO draft VALUES (1);
CREATE TABLE counted (id int GENERATED ALWAYS AS IDENTITY (START 7), n serial, twice int GENERATED ALWAYS AS (id * 2) STORED);
INSERT INTO counted (n) SELECT 1 FROM generate_series(1, 20);
CREATE TABLE bare (); INSERT INTO bare DEFAULT VALUES; INSERT INTO bare DEFAULT VALUES;
CREATE TABLE guarded (id int PRIMARY KEY, whose text, CHECK (id > 0)); ALTER TABLE guarded ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON guarded FOR SELECT TO PUBLIC USING (whose = current_user);
ALTER TABLE guarded ADD CONSTRAINT late CHECK (whose <> '') NOT VALID;
INSERT INTO guarded VALUES (1, 'warden');
CREATE TYPE span AS RANGE (subtype = int4);
CREATE TABLE spans (s span, k text COLLATE "C", EXCLUDE USING gist (s WITH &&)); INSERT INTO spans VALUES ('[1,5)', 'a');
CREATE STATISTICS both_of ON id, whose FROM guarded; COMMENT ON COLUMN guarded.whose IS 'who''s it';
GRANT SELECT, UPDATE ON guarded TO PUBLIC; GRANT SELECT (k) ON spans TO warden WITH GRANT OPTION;
CREATE AGGREGATE most (int) (SFUNC = int4larger, STYPE = int);
CREATE TABLE parted (id int, at date, PRIMARY KEY (id, at)) PARTITION BY RANGE (at);
CREATE TABLE parted_old PARTITION OF parted FOR VALUES FROM (MINVALUE) TO ('2026-01-01');
CREATE TABLE parted_new PARTITION OF parted FOR VALUES FROM ('2026-01-01') TO (MAXVALUE) PARTITION BY HASH (id);
CREATE TABLE parted_new_0 PARTITION OF parted_new FOR VALUES WITH (MODULUS 1, REMAINDER 0);
INSERT INTO parted SELECT n, date '2025-12-01' + n FROM generate_series(1, 60) n;
CREATE INDEX parted_at ON parted (at);
CREATE TABLE refers (id int, at date, FOREIGN KEY (id, at) REFERENCES parted DEFERRABLE);
"""


def harbour() -> list[bytes]:
    """The statements of the cluster's dump: roles, and then what is in its one database."""
    text = gzip.decompress((DUMPS / "postgresql-15-cluster.sql.gz").read_bytes())
    parts = text.split(b"\n\\connect ")
    roles = b"\n".join(line for line in parts[0].splitlines() if b"warden" in line)
    inside = next(part for part in parts if part.startswith(b"harbour\n")).split(b"\n", 1)[1]
    return [roles, inside]


def versions() -> list[Any]:
    found = [pytest.param(None, id="15")]
    return found + [pytest.param(one, id=PostgresServer.version_of(one)) for one in newer_postgres_folders()]


@servers
@pytest.mark.parametrize("binaries", versions())
def test_definitions_and_rows_of_a_nasty_database_come_out_whole(binaries: Path | None, tmp_path: Path) -> None:
    if binaries is None and not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    folder = folder_for_all(tmp_path)
    roles, inside = harbour()
    with PostgresServer(binaries) as server:
        server.run_sql("postgres", roles)
        server.run_sql(
            "postgres", "CREATE DATABASE harbour TEMPLATE template0; CREATE DATABASE again TEMPLATE template0"
        )
        server.run_sql("harbour", inside)
        server.run_sql("harbour", MORE)
        backup = server.base_backup(folder / "base")

        own = ("--server-bin", str(server.binaries))
        same = sospes("compare", backup, server.address("harbour"), *own, "--json", "--no-ledger")
        assert (same.code, same.document["verdict"]) == (0, "sound"), same.document["findings"]
        assert same.document["result"]["objects"] == [] and len(same.document["result"]["tables"]) > 15
        assert [one["code"] for one in same.document["findings"]] == ["unlogged-empty"]

        out = folder / "all.sql"
        extracted = sospes("extract", backup, "--all", "--out", out, *own, "--json")
        assert extracted.code == 0, extracted.document["findings"]
        server.run_sql("again", out.read_bytes())
        both = sospes(
            "compare", server.address("harbour"), server.address("again"), "--json", "--no-ledger", "--limit", "100"
        )
        faulty = {one["place"]["table"] for one in both.document["findings"] if one["severity"] != "note"}
        rows = {
            one["name"]: (one["only_left"], one["only_right"], one["changed"])
            for one in both.document["result"]["tables"]
        }
        assert {name for name, differing in rows.items() if any(differing)} == {"draft"}, rows
        unlike = {(one["kind"], one["name"]) for one in both.document["result"]["objects"]}
        # An extraction leaves out what is no table's, and whose it all is.
        assert {kind for kind, _ in unlike} <= {
            "owner", "grant", "view", "materialized view", "function", "aggregate", "sequence", "comment", "domain",
            "rule", "type", "procedure", "large object",
        }, (unlike, faulty)  # fmt: skip


@pytest.fixture(name="live")
def the_live_database(tmp_path: Path) -> Iterator[tuple[PostgresServer, Path, Path]]:
    """A server in use, after somebody's mistake, with a base backup and the log since."""
    if not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    folder = folder_for_all(tmp_path)
    archive = archive_folder(folder)
    with PostgresServer(None, "--wal-segsize=1", settings=ARCHIVING) as server:
        server.archive_into(archive)
        server.run_sql("postgres", "CREATE DATABASE harbour")
        server.run_sql(
            "harbour",
            "CREATE TABLE boat (id int PRIMARY KEY, name text); CREATE TABLE crew (id int PRIMARY KEY, "
            "boat int REFERENCES boat); INSERT INTO boat SELECT n, 'boat ' || n FROM generate_series(1, 300) n",
        )
        backup = server.base_backup(folder / "base")
        server.run_sql("harbour", "INSERT INTO crew SELECT n, n % 300 + 1 FROM generate_series(1, 500) n")
        server.run_sql("harbour", "UPDATE boat SET name = 'Heron' WHERE id = 7")
        server.run_sql("harbour", "DELETE FROM crew WHERE id > 100")
        server.run_sql("harbour", "INSERT INTO boat VALUES (1000, 'Osprey')")
        server.switch(archive)
        yield server, backup, archive


def last_good(backup: Path, archive: Path, *words: str) -> str:
    """What retracing gives to be pasted behind --before."""
    run = sospes("retrace", archive, "--with", backup, *words, "--json")
    assert run.code == 0, run.document["findings"]
    found: str = run.document["result"]["last_good"]["before"]
    return found


@servers
def test_a_deletion_is_found_compared_and_undone(live: tuple[PostgresServer, Path, Path], tmp_path: Path) -> None:
    server, backup, archive = live
    before = last_good(backup, archive, "--table", "crew", "--kind", "delete")
    moment: list[str | Path] = ["--with", archive, "--before", before]

    compared = sospes("compare", backup, server.address("harbour"), *moment, "--table", "crew", "--json", "--no-ledger")
    assert (compared.code, compared.document["verdict"]) == (3, "unproven")
    [crew] = compared.document["result"]["tables"]
    assert (crew["same"], crew["only_left"], crew["only_right"]) == (100, 400, 0)
    assert compared.document["result"]["reached"]["transaction"] == str(int(before.removeprefix("transaction=")) - 1)

    fix = tmp_path / "fix.sql"
    mended = sospes("mend", backup, server.address("harbour"), *moment, "--table", "crew", "--out", fix, "--json")
    assert mended.code == 0, mended.document["findings"]
    assert mended.document["result"]["tables"][0]["inserts"] == 400
    server.run_sql("harbour", fix.read_bytes())
    assert server.query("harbour", "SELECT count(*), sum(id) FROM crew").decode().strip() == "500|125250"
    assert server.query("harbour", "SELECT name FROM boat WHERE id IN (7, 1000) ORDER BY id").decode().split() == [
        "Heron", "Osprey",
    ]  # fmt: skip


@servers
def test_a_dropped_table_comes_back_whole(live: tuple[PostgresServer, Path, Path]) -> None:
    server, backup, archive = live
    server.run_sql("harbour", "DROP TABLE crew")
    server.switch(archive)
    before = last_good(backup, archive, "--table", "crew", "--kind", "drop")

    words: list[str | Path] = [
        "extract",
        backup,
        "crew",
        "--with",
        archive,
        "--before",
        before,
        "--into",
        server.address("harbour"),
    ]
    assert sospes(*words).code == 2  # not confirmed
    back = sospes(*words, "--confirm", "harbour", "--json")

    assert back.code == 0, back.document["findings"]
    assert server.query("harbour", "SELECT count(*) FROM crew").decode().strip() == "100"
    references = "SELECT count(*) FROM pg_constraint WHERE conrelid = 'crew'::regclass AND contype IN ('p', 'f')"
    assert server.query("harbour", references).decode().strip() == "2"


@servers
@pytest.mark.parametrize("form", ["sql", "csv", "jsonl"])
def test_single_tables_in_every_form(world: World, tmp_path: Path, form: str) -> None:
    before = last_good(world.backup, world.archive, "--table", "boat", "--kind", "delete")
    out = tmp_path / f"boat.{form}"
    run = sospes(
        "extract",
        world.backup,
        "boat",
        "--with",
        world.archive,
        "--before",
        before,
        "--as",
        form,
        "--out",
        out,
        "--json",
    )
    assert run.code == 0, run.document["findings"]
    [table] = run.document["result"]["tables"]
    assert (table["name"], table["rows"]) == ("boat", 9000)
    lines = out.read_text().splitlines()
    if form == "jsonl":
        assert json.loads(lines[4]) == {"id": 5, "name": "boat " * 9}
    elif form == "csv":
        assert len(lines) == 9001 and lines[0] == "id,name"
    else:
        assert any(line.startswith("CREATE TABLE public.boat") for line in lines)
        assert any("PRIMARY KEY" in line for line in lines)
    text = sospes("extract", world.backup, "boat", "--with", world.archive, "--before", before, "--out", tmp_path / "x")
    assert "reached: " in text.out


@servers
def test_what_a_damaged_or_short_backup_gives(world: World, tmp_path: Path) -> None:
    past = sospes("extract", world.backup, "boat", "--until", "2040-01-01", "--out", tmp_path / "past.sql", "--json")
    assert past.code == 3 and "moment-past-end" in {one["code"] for one in past.document["findings"]}

    damaged = tmp_path / "damaged"
    shutil.copytree(world.backup, damaged)
    commits = damaged / "pg_xact" / "0000"
    commits.write_bytes(b"\0" * 20 + commits.read_bytes()[20:])
    run = sospes("extract", damaged, "boat", "--out", tmp_path / "out.sql", "--json")
    assert run.code == 1 and not (tmp_path / "out.sql").exists()
    mend = sospes("mend", damaged, DUMPS / "postgresql-18.sql", "--out", tmp_path / "fix.sql")
    assert mend.code == 3 and "damaged" in mend.err

    for words in (["--before", "2001-01-01"], ["--with", str(tmp_path / "nowhere")], ["--database", "nowhere"]):
        refused = sospes("compare", world.backup, world.backup, *words, "--no-ledger")
        assert refused.code == 2, (words, refused.err)
    assert sospes("extract", world.backup, "boot", "--out", tmp_path / "boot.sql").code == 2


@servers
def test_a_drill_holds_a_base_backup_against_live_and_figures(
    live: tuple[PostgresServer, Path, Path], tmp_path: Path
) -> None:
    """With its logs, so that nothing differs."""
    server, backup, archive = live
    nights = backup.parent / "nights"
    nights.mkdir()
    backup.rename(nights / "base")
    (tmp_path / "figures.toml").write_text('[[figure]]\ntable = "crew"\nrows = 100\n')
    (tmp_path / "drill.toml").write_text(
        f'[[target]]\nname = "quay"\nplaces = ["{nights}"]\nwith = ["{archive}"]\nrung = "matched"\n'
        f'compare-with = "{server.address("harbour")}"\nfigures = "figures.toml"\n'
    )
    run = sospes("drill", tmp_path / "drill.toml", "--ledger", tmp_path / "ledger.sqlite", "--json")
    [target] = run.document["result"]["targets"]
    assert (run.code, target["verdict"], target["rung"]) == (0, "sound", "matched"), target


def test_moments_go_with_base_backups_only(tmp_path: Path) -> None:
    dump = DUMPS / "postgresql-18.sql"
    assert sospes("extract", dump, "rescue.boat", "--until", "2026-11-25", "--out", tmp_path / "x").code == 2
    assert sospes("compare", dump, dump, "--with", DUMPS).code == 2
    assert sospes("mend", dump, dump, "--unconfined", "--out", tmp_path / "x").code == 2

"""Fresh dumps from real servers, and extracts that go back into them."""

from __future__ import annotations

import sqlite3
import sys
from pathlib import Path

import pytest

from tests.conftest import INPUTS, sospes, verdict_of
from tests.servers import MariadbServer, PostgresServer

pytestmark = pytest.mark.servers

POSTGRESQL_FORMS = {
    "copy": [],
    "inserts": ["--inserts"],
    "rows-per-insert": ["--column-inserts", "--rows-per-insert=3"],
    "verbose-create": ["--verbose", "--create", "--clean", "--if-exists"],
    "through-root": ["--load-via-partition-root"],
    "latin2": ["--encoding=LATIN2", "--exclude-table=rescue.station", "--exclude-table=rescue.boat"],
    "no-owner": ["--no-owner", "--no-privileges", "--no-comments", "--disable-triggers"],
    "sections": ["--quote-all-identifiers", "--serializable-deferrable"],
}
MARIADB_FORMS = {
    "default": [],
    "hex": ["--hex-blob"],
    "complete": ["--complete-insert", "--skip-extended-insert"],
    "no-locks": ["--skip-add-locks", "--skip-disable-keys", "--skip-add-drop-table", "--single-transaction"],
    "old-mode": ["--compatible=ansi", "--default-character-set=utf8mb4"],
    "accounts": ["--tz-utc", "--dump-date", "--flush-privileges"],
    "replace": ["--replace", "--order-by-primary"],
}


@pytest.fixture(params=POSTGRESQL_FORMS)
def postgres_dump(request: pytest.FixtureRequest, postgres: PostgresServer, tmp_path: Path) -> Path:
    path = tmp_path / "night.sql"
    path.write_bytes(postgres.dump("harbour", *POSTGRESQL_FORMS[request.param]))
    return path


@pytest.fixture(params=MARIADB_FORMS)
def mariadb_dump(request: pytest.FixtureRequest, mariadb: MariadbServer, tmp_path: Path) -> Path:
    path = tmp_path / "night.sql"
    path.write_bytes(mariadb.dump("--routines", "--events", *MARIADB_FORMS[request.param], "harbour"))
    return path


def test_every_form_of_postgresql_dump_is_sound_and_loads(postgres_dump: Path) -> None:
    assert verdict_of("verify", postgres_dump) == ("sound", 0)
    assert verdict_of("rehearse", postgres_dump) == ("sound", 0)


def test_every_form_of_mariadb_dump_is_sound_and_loads(mariadb_dump: Path) -> None:
    assert verdict_of("verify", mariadb_dump) == ("sound", 0)
    assert verdict_of("rehearse", mariadb_dump) == ("sound", 0)


def test_counts_agree_with_the_server(postgres: PostgresServer, postgres_dump: Path) -> None:
    document = sospes("verify", postgres_dump, "--json").document

    for table in document["result"]["tables"]:
        schema, name = (part.replace('"', '""') for part in (table["schema"], table["name"]))
        counted = postgres.query("harbour", f'SELECT count(*) FROM ONLY "{schema}"."{name}"')
        whole = postgres.query("harbour", f'SELECT count(*) FROM "{schema}"."{name}"')
        assert table["rows"] in {int(counted), int(whole)} or name.startswith("tide_")


def test_the_whole_cluster_and_several_databases(
    postgres: PostgresServer, mariadb: MariadbServer, tmp_path: Path
) -> None:
    cluster, many = tmp_path / "cluster.sql", tmp_path / "many.sql"
    cluster.write_bytes(postgres.dump_cluster())
    many.write_bytes(mariadb.dump("--databases", "harbour", "archive"))

    document = sospes("verify", cluster, "--json").document
    assert (document["verdict"], "harbour" in document["result"]["databases"]) == ("sound", True)
    assert "harbour" in {table["database"] for table in document["result"]["tables"]}
    assert any(item["kind"] == "role" and item["name"] == "warden" for item in document["result"]["objects"])
    assert verdict_of("rehearse", many) == ("sound", 0)


TABLES = ["rescue.station", "rescue.boat", "rescue.call_out", "public.seed", "public.seed_lot", "rescue.seed",
          "public.tide", "public.nothing", "public.wide_key", "public.kit_child", 'Old Logs.Log; "2019"\nINSERT INTO']  # fmt: skip


@pytest.mark.parametrize("form", ["copy", "inserts", "rows-per-insert"])
def test_each_extracted_table_loads_alone_and_holds_the_same_rows(
    postgres: PostgresServer, tmp_path: Path, form: str
) -> None:
    night = tmp_path / "night.sql"
    night.write_bytes(postgres.dump("harbour", *POSTGRESQL_FORMS[form]))
    for number, table in enumerate(TABLES):
        out, database = tmp_path / f"{number}.sql", f"side_{form.replace('-', '_')}_{number}"
        assert sospes("extract", night, table, "--out", out).code == 0
        postgres.run_sql("postgres", f"CREATE DATABASE {database}")
        postgres.run_sql(database, out.read_bytes())

        again = tmp_path / f"{number}-again.sql"
        again.write_bytes(postgres.dump(database))
        compared = sospes("compare", again, night, "--table", table, "--json").document["result"]["tables"]
        assert (
            [t["same"] for t in compared] == [t["right_rows"] for t in compared] == [t["left_rows"] for t in compared]
        )


def test_an_extract_holds_what_belongs_to_the_table_and_nothing_else(postgres: PostgresServer, tmp_path: Path) -> None:
    night, out = tmp_path / "night.sql", tmp_path / "out.sql"
    night.write_bytes(postgres.dump("harbour"))

    assert sospes("extract", night, "rescue.call_out", "rescue.station", "--out", out).code == 0
    text = out.read_text()
    for wanted in ("call_out_began", "call_out_token", "call_out_pkey", "call_out_station_id_fkey", "call_out_touch",
                   "FUNCTION rescue.touch()", "setval('rescue.call_out_id_seq'", "station_name_key"):  # fmt: skip
        assert wanted in text
    for other in ("DROP ", "OWNER TO", "CREATE TABLE rescue.boat", "CREATE VIEW", "seed_lot", "GRANT"):
        assert other not in text.replace("DROP TABLE x; --", "")

    assert sospes("extract", night, "rescue.boat", "--out", tmp_path / "boat.sql", "--json").document["result"][
        "left_out"
    ]
    assert "boat_station_id_fkey" not in (tmp_path / "boat.sql").read_text()


def test_extracted_mariadb_tables_load_alone_and_hold_the_same_rows(mariadb: MariadbServer, tmp_path: Path) -> None:
    night = tmp_path / "night.sql"
    night.write_bytes(mariadb.dump("--routines", "harbour"))
    for number, table in enumerate(["station", "boat", "odd `name`; INSERT INTO", "seed_lot", "kept"]):
        out = tmp_path / f"{number}.sql"
        assert sospes("extract", night, table, "--out", out).code == 0
        mariadb.run_sql("", f"CREATE DATABASE side_{number}")
        mariadb.run_sql(f"side_{number}", out.read_bytes())

        again = tmp_path / f"{number}-again.sql"
        again.write_bytes(mariadb.dump(f"side_{number}"))
        document = sospes("compare", again, night, "--table", table, "--json").document
        assert document["verdict"] == "sound", document["findings"]
    boat = (tmp_path / "1.sql").read_bytes()
    assert b"TRIGGER boat_check" in boat and b"DELIMITER ;;" in boat


def test_extracted_sqlite_tables_load_alone(tmp_path: Path) -> None:
    from tests.conftest import DUMPS

    for source in ("sqlite-3.sql", "sqlite-3.sqlite"):
        for table in ("station", "seed_lot", "boat"):
            out, database = tmp_path / "out.sql", tmp_path / "side.db"
            database.unlink(missing_ok=True)
            assert sospes("extract", DUMPS / source, table, "--out", out, "--overwrite").code == 0
            side = sqlite3.connect(database)
            side.executescript(out.read_text())
            side.close()
            assert verdict_of("compare", database, DUMPS / source, "--table", table) == ("sound", 0)


def test_a_mistake_on_the_server_is_explained(postgres: PostgresServer, tmp_path: Path) -> None:
    before, after = tmp_path / "before.sql", tmp_path / "after.sql"
    before.write_bytes(postgres.dump("harbour", "--table=public.seed_lot"))
    postgres.run_sql("postgres", "CREATE DATABASE mistaken TEMPLATE harbour")
    postgres.run_sql("mistaken", "UPDATE public.seed_lot SET label = 'gone'")
    after.write_bytes(postgres.dump("mistaken", "--table=public.seed_lot"))

    table = sospes("compare", before, after, "--json").document["result"]["tables"][0]

    assert [cause["kind"] for cause in table["explanations"]] == ["column-set-everywhere"]
    assert table["columns_changed"] == {"label": 50}


def test_rarer_kinds_of_objects(postgres: PostgresServer, tmp_path: Path) -> None:
    postgres.run_sql("postgres", "CREATE DATABASE exotic")
    postgres.run_sql("exotic", (INPUTS / "exotic_postgresql.sql").read_text())
    for name, options in (("a.sql", []), ("b.sql", ["--inserts", "--clean", "--create"]), ("c.dump", ["-Fc"])):
        (tmp_path / name).write_bytes(postgres.dump("exotic", *options))
        assert verdict_of("verify", tmp_path / name) == ("sound", 0)
        assert verdict_of("rehearse", tmp_path / name) == ("sound", 0)
    objects = sospes("verify", tmp_path / "a.sql", "--json").document["result"]["objects"]
    kinds = {item["kind"] for item in objects}
    assert {"collation", "cast", "operator", "operator class", "operator family", "aggregate", "text search dictionary",
            "text search configuration", "conversion", "statistics", "policy", "server", "foreign table", "publication",
            "event trigger", "procedure", "extension"} <= kinds  # fmt: skip
    assert verdict_of("compare", tmp_path / "a.sql", tmp_path / "c.dump") == ("sound", 0)

    assert sospes("extract", tmp_path / "c.dump", "--all", "--out", tmp_path / "all.sql").code == 0
    postgres.run_sql("postgres", "CREATE DATABASE exotic_again")
    postgres.run_sql("exotic_again", (tmp_path / "all.sql").read_bytes())


@pytest.mark.skipif(sys.platform != "linux", reason="private servers have walls on Linux only")
@pytest.mark.parametrize("options", [[], ["-Fc"], ["--inserts", "--quote-all-identifiers"]])
def test_what_only_a_superuser_may_make_is_made_behind_walls(
    postgres: PostgresServer, tmp_path: Path, options: list[str]
) -> None:
    postgres.run_sql("postgres", "CREATE DATABASE reserved")
    try:
        postgres.run_sql("reserved", (INPUTS / "superuser_postgresql.sql").read_text())
        (tmp_path / "night").write_bytes(postgres.dump("reserved", *options))
    finally:
        postgres.run_sql("postgres", "DROP DATABASE reserved")

    walled = sospes("rehearse", tmp_path / "night", "--side", "private", "--json")
    bare = sospes("rehearse", tmp_path / "night", "--side", "private", "--unconfined", "--json")

    assert (walled.document["verdict"], walled.codes) == ("sound", [])
    assert walled.document["result"]["objects"]["function"] == 9
    assert [table["rows"] for table in walled.document["result"]["tables"]] == [2]
    assert bare.document["verdict"] == "unproven", "never the backup's fault"
    assert {"statement-refused", "rows-refused", "unconfined"} <= set(bare.codes)


@pytest.mark.skipif(sys.platform != "linux", reason="private servers have walls on Linux only")
def test_accounts_in_a_backup_of_a_whole_server_are_nobodys_accounts(mariadb: MariadbServer, tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(mariadb.dump("--all-databases", "--routines", "--events"))

    document = sospes("rehearse", tmp_path / "night.sql", "--side", "private", "--json").document

    assert document["verdict"] == "sound", document["findings"]
    assert {"harbour", "archive", "mysql"} <= {table["database"] for table in document["result"]["tables"]}

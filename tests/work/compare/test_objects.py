"""Objects besides rows: backup against live and side copy, and dropped ones brought back."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

from sospes.model.objects import DatabaseObject, ObjectKey, unlike_objects
from tests.backups import mysql
from tests.conftest import INPUTS, sospes
from tests.servers import MariadbServer, PostgresServer

CHANGES = """
DROP TRIGGER tt ON watch.p;
DROP VIEW watch.c2;
DROP INDEX watch."Idx Q";
DROP FUNCTION watch.f(text, integer); DROP FUNCTION watch.f(integer);
ALTER TABLE watch.a DROP CONSTRAINT "Odd Name";
CREATE OR REPLACE FUNCTION watch.trg() RETURNS trigger LANGUAGE plpgsql AS $$ begin return old; end $$;
ALTER TABLE watch.serial ALTER s TYPE integer;
ALTER TABLE watch.p ALTER t SET DEFAULT '2026-01-01';
COMMENT ON TABLE watch.a IS 'other';
REVOKE INSERT ON watch.a FROM warden;
CREATE INDEX later ON watch.serial (s);
GRANT CREATE ON SCHEMA watch TO warden;
GRANT UPDATE (s) ON watch.serial TO warden;
REVOKE ALL ON SEQUENCE watch.sq FROM warden;
"""
FOUND = {
    ("trigger", "tt", "only-left"), ("view", "c2", "only-left"), ("index", "Idx Q", "only-left"),
    ("function", "f", "only-left"), ("constraint", "Odd Name", "only-left"), ("function", "trg", "changed"),
    ("column", "s", "changed"), ("default", "t", "changed"), ("comment", "table watch.a", "changed"),
    ("grant", "a", "changed"), ("index", "later", "only-right"),
    ("grant", "schema watch", "changed"), ("grant", "serial.s", "only-right"), ("grant", "sq", "only-left"),
    ("grant", "f()", "only-left"),
}  # fmt: skip


def _objects(document: dict[str, Any]) -> set[tuple[str, str, str]]:
    """Kind, name and state of all differing objects, but comments on what is gone."""
    found = {(item["kind"], item["name"], item["state"]) for item in document["result"]["objects"]}
    return {item for item in found if not (item[0] == "comment" and item[2] == "only-left")}


@pytest.fixture
def watch(postgres: PostgresServer) -> Iterator[str]:
    """A database with objects of all kinds; its address."""
    postgres.run_sql("postgres", "CREATE DATABASE watched")
    try:
        postgres.run_sql("watched", (INPUTS / "objects_postgresql.sql").read_text())
        yield postgres.address("watched")
    finally:
        postgres.run_sql("postgres", "DROP DATABASE watched")


@pytest.mark.servers
@pytest.mark.parametrize("options", [[], ["-Fc"]], ids=str)
def test_a_backup_defines_what_its_source_has(
    postgres: PostgresServer, watch: str, tmp_path: Path, options: list[str]
) -> None:
    for database in ("watched", "harbour"):
        (tmp_path / database).write_bytes(postgres.dump(database, *options))
        run = sospes("compare", tmp_path / database, postgres.address(database), "--json")
        assert run.document["result"]["objects"] == [], run.document["result"]["objects"]
        assert run.code == 0
        private = sospes("rehearse", "--side", "private", tmp_path / database, "--json")
        assert private.code == 0, private.document["findings"]


@pytest.mark.servers
def test_what_somebody_changed_is_named(postgres: PostgresServer, watch: str, tmp_path: Path) -> None:
    (tmp_path / "night.dump").write_bytes(postgres.dump("watched", "-Fc"))
    (tmp_path / "night.sql").write_bytes(postgres.dump("watched"))
    postgres.run_sql("watched", CHANGES)

    for name in ("night.dump", "night.sql"):
        run = sospes("compare", tmp_path / name, watch, "--json")
        assert _objects(run.document) == FOUND and run.code == 1
    assert any("trigger tt on watch.p is in" in item["message"] for item in run.document["findings"])
    assert (
        sospes("compare", tmp_path / "night.dump", watch, "--rows-only", "--json").document["result"]["objects"] is None
    )
    one = sospes("compare", tmp_path / "night.dump", watch, "--table", "watch.p", "--json").document
    assert _objects(one) == {("trigger", "tt", "only-left"), ("default", "t", "changed")}


@pytest.mark.servers
def test_other_owners_are_told_and_change_no_verdict(postgres: PostgresServer, watch: str, tmp_path: Path) -> None:
    (tmp_path / "night.dump").write_bytes(postgres.dump("watched", "-Fc"))
    postgres.run_sql("watched", "ALTER SEQUENCE watch.sq OWNER TO pg_monitor; ALTER SCHEMA watch OWNER TO pg_monitor")

    document = sospes("compare", tmp_path / "night.dump", watch, "--json").document

    assert document["verdict"] == "sound" and document["result"]["objects"] == []
    [told] = [item["message"] for item in document["findings"] if item["code"] == "owners-differ"]
    assert "watch.sq (postgres, pg_monitor)" in told and "watch (postgres, pg_monitor)" in told


@pytest.mark.servers
def test_roles_of_a_cluster_are_compared(postgres: PostgresServer, watch: str, tmp_path: Path) -> None:
    postgres.run_sql("postgres", "CREATE ROLE coxswain; CREATE ROLE bosun")
    try:
        (tmp_path / "all.sql").write_bytes(postgres.dump_cluster())
        assert sospes("compare", tmp_path / "all.sql", watch, "--json").document["result"]["objects"] == []
        postgres.run_sql("postgres", "DROP ROLE coxswain; ALTER ROLE bosun RENAME TO mate")
        found = sospes("compare", tmp_path / "all.sql", watch, "--json").document
        assert _objects(found) == {
            ("role", "coxswain", "only-left"), ("role", "bosun", "only-left"), ("role", "mate", "only-right"),
        }  # fmt: skip
    finally:
        for name in ("coxswain", "bosun", "mate"):
            postgres.run_sql("postgres", f"DROP ROLE IF EXISTS {name}")


@pytest.mark.servers
def test_dropped_objects_are_brought_back_and_taken_away_again(
    postgres: PostgresServer, watch: str, tmp_path: Path
) -> None:
    (tmp_path / "night.dump").write_bytes(postgres.dump("watched", "-Fc"))
    postgres.run_sql("watched", CHANGES)
    command: list[str | Path] = ["mend", tmp_path / "night.dump", watch, "--objects", "--out", tmp_path / "fix.sql"]

    document = sospes(*command, "--undo", tmp_path / "undo.sql", "--json").document

    kinds = [item["kind"] for item in document["result"]["objects"]]
    assert kinds[:5] == ["function", "index", "constraint", "view", "trigger"]
    assert kinds[5:7] == ["grant", "grant"] and set(kinds[7:]) == {"comment"}
    postgres.run_sql("watched", (tmp_path / "fix.sql").read_bytes())
    left = _objects(sospes("compare", tmp_path / "night.dump", watch, "--json").document)
    assert left == {item for item in FOUND if item[2] != "only-left"}
    assert postgres.query("watched", "SELECT count(*) FROM pg_proc WHERE proname = 'f'").strip() == b"2"
    postgres.run_sql("watched", (tmp_path / "undo.sql").read_bytes())
    assert _objects(sospes("compare", tmp_path / "night.dump", watch, "--json").document) == FOUND

    (tmp_path / "fix.sql").unlink()
    sospes(*command, "--apply", "watched")
    assert _objects(sospes("compare", tmp_path / "night.dump", watch, "--json").document) == left


@pytest.mark.servers
def test_a_backup_without_rights_and_comments_says_so(postgres: PostgresServer, watch: str, tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(postgres.dump("watched", "--no-privileges", "--no-comments"))
    run = sospes("compare", tmp_path / "night.sql", watch, "--json")
    codes = [item["code"] for item in run.document["findings"]]
    assert run.code == 0 and codes == ["objects-left-out", "objects-left-out"]


@pytest.mark.servers
def test_mariadb_objects_are_compared_and_brought_back(mariadb: MariadbServer, tmp_path: Path) -> None:
    address = mariadb.address("watched")
    night = mariadb.dump("--routines", "--events", "--triggers", "harbour")
    mariadb.run_sql("", "CREATE DATABASE watched")
    try:
        (tmp_path / "night.sql").write_bytes(night)
        mariadb.run_sql("watched", night)
        same = sospes("compare", tmp_path / "night.sql", address, "--json")
        assert same.document["result"]["objects"] == [] and same.code == 0, same.document["findings"]

        mariadb.run_sql(
            "watched",
            "DROP TRIGGER boat_check; DROP FUNCTION twice; DROP EVENT nightly; DROP VIEW busy; "
            "ALTER TABLE seed_lot DROP FOREIGN KEY seed_lot_ibfk_1; ALTER TABLE boat DROP INDEX notes_words; "
            "DROP PROCEDURE count_boats; CREATE PROCEDURE count_boats(OUT n int) SELECT 7 INTO n; "
            "ALTER TABLE seed MODIFY label varchar(50)",
        )
        gone = {
            ("trigger", "boat_check", "only-left"), ("function", "twice", "only-left"),
            ("event", "nightly", "only-left"), ("view", "busy", "only-left"),
            ("constraint", "seed_lot_ibfk_1", "only-left"), ("index", "notes_words", "only-left"),
        }  # fmt: skip
        other = {("procedure", "count_boats", "changed"), ("column", "label", "changed")}
        found = sospes("compare", tmp_path / "night.sql", address, "--json")
        assert _objects(found.document) == gone | other

        command: list[str | Path] = [
            "mend",
            tmp_path / "night.sql",
            address,
            "--objects",
            "--out",
            tmp_path / "fix.sql",
        ]
        sospes(*command, "--undo", tmp_path / "undo.sql")
        mariadb.run_sql("watched", (tmp_path / "fix.sql").read_bytes())
        assert _objects(sospes("compare", tmp_path / "night.sql", address, "--json").document) == other
        mariadb.run_sql("watched", (tmp_path / "undo.sql").read_bytes())
        assert _objects(sospes("compare", tmp_path / "night.sql", address, "--json").document) == gone | other
        (tmp_path / "fix.sql").unlink()
        sospes(*command, "--apply", "watched")
        assert _objects(sospes("compare", tmp_path / "night.sql", address, "--json").document) == other
    finally:
        mariadb.run_sql("", "DROP DATABASE watched")


@pytest.mark.servers
def test_a_dump_without_routines_is_no_whole_backup(mariadb: MariadbServer, tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(mariadb.dump("--skip-triggers", "harbour"))
    address = mariadb.address("harbour")
    run = sospes("compare", tmp_path / "night.sql", address, "--json")
    lacking = {(item["kind"], item["state"]) for item in run.document["result"]["objects"]}
    assert run.code == 1 and lacking == {(kind, "only-right") for kind in ("trigger", "function", "procedure", "event")}


def test_two_backups_are_compared_by_their_definitions(tmp_path: Path) -> None:
    body = "CREATE TABLE `t` (`id` int(11) NOT NULL, `a` int(11), PRIMARY KEY (`id`){}) ENGINE=InnoDB;\n{}"
    view = "CREATE VIEW `v` AS SELECT `id` FROM `t`;\n"
    (tmp_path / "a.sql").write_bytes(mysql(body.format(", KEY `by_a` (`a`)", view).encode()))
    (tmp_path / "b.sql").write_bytes(mysql(body.format("", "").encode()))

    run = sospes("compare", tmp_path / "a.sql", tmp_path / "b.sql", "--json")

    assert _objects(run.document) == {("index", "by_a", "only-left"), ("view", "v", "only-left")}
    assert "index by_a on t" in run.document["findings"][0]["message"]
    assert sospes("compare", tmp_path / "a.sql", tmp_path / "a.sql", "--json").document["result"]["objects"] == []


def test_what_belongs_to_a_missing_table_is_not_told_apart() -> None:
    table, column = ObjectKey("table", "s", "t"), ObjectKey("column", "s", "c", "t")
    other = ObjectKey("view", "s", "v")
    found = list(
        unlike_objects({table: DatabaseObject(), column: DatabaseObject(("int",)), other: DatabaseObject()}, {})
    )
    assert [(item.key.label, item.state) for item in found] == [("table s.t", "only-left"), ("view s.v", "only-left")]
    assert column.label == "column s.t.c" and ObjectKey("grant", "s", "t", "r").label == "grant on s.t to r"


def test_routines_of_a_catalog_are_ends_of_whole_statements() -> None:
    key = ObjectKey("function", "", "f")
    whole = {key: DatabaseObject(("CREATE FUNCTION f() RETURNS int RETURN 1",), whole=True)}
    assert not list(unlike_objects(whole, {key: DatabaseObject(("RETURN 1",))}))
    assert list(unlike_objects(whole, {key: DatabaseObject(("RETURN 2",))}))
    assert not list(unlike_objects(whole, {key: DatabaseObject()})), "a catalog that doesn't say proves nothing"


@pytest.mark.servers
def test_what_a_user_may_not_see_is_not_called_missing(mariadb: MariadbServer, tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(mariadb.dump("--routines", "--events", "harbour"))
    mariadb.run_sql("", "CREATE USER auditor@localhost; GRANT SELECT ON harbour.* TO auditor@localhost")
    address = f"mariadb://auditor@localhost/harbour?unix_socket={mariadb.folder}/s"
    try:
        poor = sospes("compare", tmp_path / "night.sql", address, "--json")
        assert poor.code == 0 and [item["code"] for item in poor.document["findings"]] == ["objects-unseen"]
        mariadb.run_sql("", "GRANT EXECUTE, EVENT, TRIGGER ON harbour.* TO auditor@localhost")
        rich = sospes("compare", tmp_path / "night.sql", address, "--json")
        assert rich.code == 0 and not rich.document["findings"], rich.document["findings"]
    finally:
        mariadb.run_sql("", "DROP USER auditor@localhost")


@pytest.mark.servers
def test_an_extract_has_no_references_to_tables_that_it_lacks(postgres: PostgresServer, tmp_path: Path) -> None:
    night, part = tmp_path / "night.dump", tmp_path / "part.sql"
    night.write_bytes(postgres.dump("harbour", "-Fc"))
    sospes("extract", night, "rescue.call_out", "--out", part)
    assert sospes("compare", part, night, "--table", "rescue.call_out", "--json").document["result"]["objects"] == []

    postgres.run_sql("postgres", "CREATE DATABASE loosened TEMPLATE harbour")
    try:
        postgres.run_sql("loosened", "ALTER TABLE rescue.call_out DROP CONSTRAINT call_out_station_id_fkey")
        document = sospes(
            "compare", night, postgres.address("loosened"), "--table", "rescue.call_out", "--json"
        ).document
        assert _objects(document) == {("constraint", "call_out_station_id_fkey", "only-left")}
    finally:
        postgres.run_sql("postgres", "DROP DATABASE loosened")


WORDED_OTHERWISE = """
CREATE TABLE kept (id int, t text COMPRESSED, rs timestamp(6) GENERATED ALWAYS AS ROW START,
  re timestamp(6) GENERATED ALWAYS AS ROW END, PERIOD FOR SYSTEM_TIME (rs, re)) WITH SYSTEM VERSIONING;
CREATE TABLE lot (id int, name varchar(9));
CREATE VIEW `odd;view` AS SELECT id, name FROM lot WHERE name <> 'a;b' WITH CASCADED CHECK OPTION;
CREATE TABLE shift (id int, s date, e date, PERIOD FOR app (s, e));
DELIMITER ;;
CREATE FUNCTION told(a int) RETURNS varchar(60) DETERMINISTIC
begin
  -- a comment that clients take out; it's gone
  return concat('a', '
b', /* and this */ a);
end;;
DELIMITER ;
"""


@pytest.mark.servers
def test_what_clients_and_servers_word_otherwise_is_no_other_object(mariadb: MariadbServer, tmp_path: Path) -> None:
    mariadb.run_sql("", "CREATE DATABASE worded; CREATE DATABASE worded_again")
    try:
        mariadb.run_sql("worded", WORDED_OTHERWISE)
        night = tmp_path / "night.sql"
        night.write_bytes(mariadb.dump("--routines", "worded"))
        mariadb.run_sql("worded_again", night.read_bytes())
        for database in ("worded", "worded_again"):
            address = mariadb.address(database)
            assert sospes("compare", night, address, "--json").codes == []
        mariadb.run_sql("worded", "ALTER TABLE shift DROP PERIOD FOR app; DROP FUNCTION told")
        address = mariadb.address("worded")
        assert sospes("compare", night, address, "--json").codes == ["object-missing", "object-missing"]
    finally:
        mariadb.run_sql("", "DROP DATABASE worded; DROP DATABASE worded_again")

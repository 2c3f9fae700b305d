"""Findings of `compare` and `mend`, each by its code, on the smallest sides that have it."""

from __future__ import annotations

from pathlib import Path

import pytest

from tests.backups import copy_table, mysql, postgresql
from tests.conftest import sospes
from tests.servers import MariadbServer, PostgresServer

COLUMNS = [("id", "integer NOT NULL"), ("name", "text")]
ROWS = [["1", "Ada"], ["2", "Bo"], ["3", "Cy"]]
CREW = copy_table("public.crew", COLUMNS, ROWS, "id")


def _codes(*words: str | Path) -> dict[str, str]:
    """All findings of a run, notes too, with their severities."""
    return {found["code"]: found["severity"] for found in sospes(*words, "--json").document["findings"]}


def _two(folder: Path, left: bytes, right: bytes) -> tuple[Path, Path]:
    (folder / "left.sql").write_bytes(left)
    (folder / "right.sql").write_bytes(right)
    return folder / "left.sql", folder / "right.sql"


def test_object_missing_and_object_changed(tmp_path: Path) -> None:
    view = b"CREATE VIEW public.v AS\n SELECT 1 AS x;\n\n\n"
    left, right = _two(tmp_path, postgresql(CREW + view), postgresql(CREW))
    assert _codes("compare", left, right) == {"object-missing": "fault"}
    assert _codes("compare", left, right, "--rows-only") == {}
    right.write_bytes(postgresql(CREW + view.replace(b"1 AS x", b"2 AS x")))
    assert _codes("compare", left, right) == {"object-changed": "fault"}


def test_objects_by_name(tmp_path: Path) -> None:
    """Other versions word views otherwise: only that they are there is compared."""
    view = b"CREATE VIEW public.v AS\n SELECT 1 AS x;\n\n\n"
    other = postgresql(CREW + view.replace(b"1 AS x", b"2 AS x")).replace(b"version 15.6", b"version 17.1")
    left, right = _two(tmp_path, postgresql(CREW + view), other)
    assert _codes("compare", left, right) == {"objects-by-name": "note"}


def test_objects_left_out_and_owners_differ(tmp_path: Path) -> None:
    rights = b"GRANT SELECT ON TABLE public.crew TO duty;\n\n\n"
    left, right = _two(tmp_path, postgresql(CREW), postgresql(CREW + rights))
    assert _codes("compare", left, right) == {"objects-left-out": "note"}
    owner = b"ALTER TABLE public.crew OWNER TO %s;\n\n\n"
    left, right = _two(tmp_path, postgresql(CREW + owner % b"duty"), postgresql(CREW + owner % b"warden"))
    assert _codes("compare", left, right) == {"owners-differ": "note"}


def test_engines_differ_and_nothing_compared(tmp_path: Path) -> None:
    table = b"CREATE TABLE `crew` (`id` int NOT NULL, `name` text, PRIMARY KEY (`id`));\n"
    rows = b"INSERT INTO `crew` VALUES (1,'Ada'),(2,'Bo'),(3,'Cy');\n"
    left, right = _two(tmp_path, postgresql(CREW), mysql(table + rows))
    assert _codes("compare", left, right) == {"engines-differ": "note"}
    left, right = _two(tmp_path, postgresql(b"CREATE SCHEMA a;\n\n\n"), postgresql(b"CREATE SCHEMA a;\n\n\n"))
    assert _codes("compare", left, right)["nothing-compared"] == "doubt"


def _databases(*names: str) -> bytes:
    return b"".join(
        f"CREATE DATABASE `{name}`;\nUSE `{name}`;\nCREATE TABLE `a` (`x` int);\nINSERT INTO `a` VALUES (1);\n".encode()
        for name in names
    )


def test_databases_differ_and_databases_left_out_and_objects_not_compared(tmp_path: Path) -> None:
    left, right = _two(tmp_path, mysql(_databases("north")), mysql(_databases("south")))
    assert _codes("compare", left, right)["databases-differ"] == "note"
    left, right = _two(tmp_path, mysql(_databases("north", "south")), mysql(_databases("north")))
    assert _codes("compare", left, right)["databases-left-out"] == "note"
    left, right = _two(tmp_path, mysql(_databases("north", "south")), mysql(_databases("north", "south")))
    assert _codes("compare", left, right) == {"objects-not-compared": "note"}


def test_rows_extra(tmp_path: Path) -> None:
    more = copy_table("public.crew", COLUMNS, [*ROWS[1:], ["4", "Di"]], "id")
    left, right = _two(tmp_path, postgresql(CREW), postgresql(more))
    codes = _codes("mend", left, right, "--out", tmp_path / "fix.sql")
    assert codes == {"rows-extra": "note"}
    text = (tmp_path / "fix.sql").read_text()
    assert text.count("INSERT") == 1 and "DELETE" not in text


# -- servers


@pytest.fixture
def quay(postgres: PostgresServer) -> str:
    """A live database with the crew in it."""
    postgres.run_sql("postgres", "DROP DATABASE IF EXISTS quay")
    postgres.run_sql("postgres", "CREATE DATABASE quay")
    postgres.run_sql("quay", CREW.decode())
    return postgres.address("quay")


@pytest.mark.servers
def test_triggers_run_and_rows_still_differ(postgres: PostgresServer, quay: str, tmp_path: Path) -> None:
    """A trigger on live undoes what the script does: that is said before, and seen afterwards."""
    night = tmp_path / "night.sql"
    night.write_bytes(postgres.dump("quay"))
    postgres.run_sql(
        "quay",
        "UPDATE crew SET name = 'Xe' WHERE id = 2; CREATE FUNCTION undo() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN "
        "NEW.name := 'Xe'; RETURN NEW; END $$; CREATE TRIGGER undo BEFORE UPDATE ON crew FOR EACH ROW EXECUTE FUNCTION undo()",
    )
    try:
        words = ("mend", night, quay, "--out", tmp_path / "fix.sql")
        assert _codes(*words)["triggers-run"] == "note"
        (tmp_path / "fix.sql").unlink()
        run = sospes(*words, "--apply", "quay", "--json")
        assert run.code == 1 and "rows-still-differ" in run.codes
    finally:
        postgres.run_sql("postgres", "DROP DATABASE quay")


@pytest.mark.servers
def test_rights_left_out(postgres: PostgresServer, quay: str, tmp_path: Path) -> None:
    """A side copy is made without rights, so they are no difference."""
    postgres.run_sql("quay", "GRANT SELECT ON crew TO PUBLIC")
    night = tmp_path / "night.sql"
    night.write_bytes(postgres.dump("quay"))
    server = postgres.address("postgres")
    try:
        kept = sospes("rehearse", "--side", server, "--keep", night, "--json").document["result"]["side"]["location"]
        copy = postgres.address(kept.rsplit("/", 1)[1])
        assert _codes("compare", night, copy) == {"rights-left-out": "note"}
    finally:
        sospes("tidy", server, "--drop")
        postgres.run_sql("postgres", "DROP DATABASE quay")


@pytest.mark.servers
def test_accounts_unseen(mariadb: MariadbServer) -> None:
    """A user who may not look at accounts can't be told of those that are left."""
    mariadb.run_sql("", "CREATE USER IF NOT EXISTS lookout@localhost")
    server = f"mariadb://lookout@localhost/?unix_socket={mariadb.folder}/s"
    assert _codes("tidy", server)["accounts-unseen"] == "note"

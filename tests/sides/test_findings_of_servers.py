"""Findings of rehearsals on servers, each by its code: what a backup has so, and what an engine's own checks find."""

from __future__ import annotations

from pathlib import Path

import psycopg
import pymysql
import pytest

from sospes.model.entries import Name
from sospes.sides.mariadb.checks import check_table
from sospes.sides.postgresql.checks import check_database
from tests.backups import copy_table, postgresql
from tests.conftest import left_on, sospes
from tests.servers import MariadbServer, PostgresServer

NUMBERS = copy_table("public.a", [("x", "integer")], [["1"], ["2"]])


def _codes(folder: Path, body: bytes, *words: str) -> dict[str, str]:
    """All findings of a rehearsal, notes too, with their severities."""
    (folder / "night.sql").write_bytes(postgresql(body))
    run = sospes("rehearse", *(words or ("--side", "private")), folder / "night.sql", "--json")
    return {found["code"]: found["severity"] for found in run.document["findings"]}


@pytest.mark.servers
def test_constraint_unvalidated(postgres: PostgresServer, tmp_path: Path) -> None:
    check = b"ALTER TABLE public.a\n    ADD CONSTRAINT a_high CHECK ((x > 1)) NOT VALID;\n\n\n"
    assert _codes(tmp_path, NUMBERS + check) == {"constraint-unvalidated": "note"}


@pytest.mark.servers
def test_view_unusable(postgres: PostgresServer, tmp_path: Path) -> None:
    view = b"CREATE VIEW public.v AS\n SELECT 1 / (x - x) AS y\n   FROM public.a;\n\n\n"
    assert _codes(tmp_path, NUMBERS + view) == {"view-unusable": "note"}


@pytest.mark.servers
def test_subscriptions_left_out(postgres: PostgresServer, tmp_path: Path) -> None:
    text = b"CREATE SUBSCRIPTION s CONNECTION 'host=north' PUBLICATION p WITH (connect = false, slot_name = 's');\n\n\n"
    assert _codes(tmp_path, NUMBERS + text)["subscriptions-left-out"] == "note"


@pytest.mark.servers
def test_schemas_made(postgres: PostgresServer, tmp_path: Path) -> None:
    """A selection of tables takes their schemas for granted."""
    table = copy_table("rescue.a", [("x", "integer")], [["1"]])
    assert _codes(tmp_path, table) == {"schemas-made": "note"}


@pytest.mark.servers
def test_statement_passed_over(postgres: PostgresServer, tmp_path: Path) -> None:
    """What stands behind a failed statement of one transaction never ran."""
    broken = b"BEGIN;\n\nCREATE VIEW public.v AS\n SELECT nothing FROM public.a;\n\nCREATE VIEW public.w AS\n SELECT 1 AS x;\n\nCOMMIT;\n\n\n"
    codes = _codes(tmp_path, NUMBERS + broken)
    assert codes["statement-failed"] == "fault" and codes["statement-passed-over"] == "note"


@pytest.mark.servers
def test_role_missing(postgres: PostgresServer, tmp_path: Path) -> None:
    """No roles are made on a server in use."""
    policy = b"CREATE POLICY p ON public.a TO stranger USING (true);\n\n\n"
    server = postgres.address("postgres")
    assert _codes(tmp_path, NUMBERS + policy, "--side", server)["role-missing"] == "doubt"


@pytest.mark.servers
def test_locale_missing(postgres: PostgresServer, tmp_path: Path) -> None:
    text = (
        b"CREATE DATABASE quay WITH TEMPLATE = template0 ENCODING = 'UTF8' LOCALE_PROVIDER = libc LOCALE = 'xx_XX.UTF-8';\n\n"
        b"\\connect quay\n\n" + NUMBERS
    )
    assert _codes(tmp_path, text)["locale-missing"] == "note"


@pytest.mark.servers
def test_index_invalid_and_index_disagrees_and_rows_miscounted(postgres: PostgresServer) -> None:
    """An index that was not kept up for a while, as a damaged one, lacks rows of its table."""
    postgres.run_sql("postgres", "DROP DATABASE IF EXISTS quay")
    postgres.run_sql("postgres", "CREATE DATABASE quay")
    try:
        with psycopg.connect(host=str(postgres.folder), user="postgres", dbname="quay", autocommit=True) as connection:
            table = Name(None, "public", "a")
            connection.execute("CREATE TABLE a (x integer); INSERT INTO a SELECT generate_series(1, 500)")
            connection.execute("CREATE INDEX a_x ON a (x); ANALYZE a")
            assert [*check_database(connection, {table: 500})] == []
            [finding] = check_database(connection, {table: 499})
            assert finding.code == "rows-miscounted"

            connection.execute("UPDATE pg_index SET indisready = false WHERE indexrelid = 'a_x'::regclass")
            connection.execute("INSERT INTO a VALUES (501)")
            connection.execute("UPDATE pg_index SET indisready = true WHERE indexrelid = 'a_x'::regclass")
            [finding] = check_database(connection, {table: 501})
            assert finding.code == "index-disagrees" and "501 rows, but 500" in finding.message

            connection.execute("UPDATE pg_index SET indisvalid = false WHERE indexrelid = 'a_x'::regclass")
            [finding] = check_database(connection, {table: 501})
            assert finding.code == "index-invalid"
    finally:
        postgres.run_sql("postgres", "DROP DATABASE quay")


@pytest.mark.servers
def test_table_inconsistent_and_table_unusable(mariadb: MariadbServer) -> None:
    """A table whose file of rows was cut, then taken away."""
    mariadb.run_sql("", "CREATE DATABASE quay; CREATE TABLE quay.a (x int, y text) ENGINE=MyISAM")
    mariadb.run_sql("quay", "INSERT INTO a VALUES (1, REPEAT('x', 500)), (2, REPEAT('y', 500)); FLUSH TABLES")
    rows = next(Path(mariadb.folder).rglob("quay/a.MYD"))
    table = Name("quay", None, "a")
    try:
        with pymysql.connect(unix_socket=f"{mariadb.folder}/s", user="root", autocommit=True) as session:
            assert [*check_table(session, "quay", table, 2)] == []
            [finding] = check_table(session, "quay", table, 3)
            assert finding.code == "rows-miscounted"
            with session.cursor() as cursor:
                cursor.execute("FLUSH TABLES")
            rows.write_bytes(rows.read_bytes()[:300])
            assert "table-inconsistent" in {finding.code for finding in check_table(session, "quay", table, 2)}
            with session.cursor() as cursor:
                cursor.execute("FLUSH TABLES")
            rows.unlink()
            [finding] = check_table(session, "quay", table, 2)
            assert finding.code == "table-unusable"
    finally:
        mariadb.run_sql("", "DROP DATABASE quay")


@pytest.mark.servers
def test_a_server_without_connections_is_told_as_that_and_nothing_is_left(
    postgres: PostgresServer, tmp_path: Path
) -> None:
    (tmp_path / "night.sql").write_bytes(postgresql(NUMBERS))
    others = []
    try:
        with pytest.raises(psycopg.OperationalError, match="too many clients"):
            while True:
                others.append(psycopg.connect(host=str(postgres.folder), user="postgres", dbname="postgres"))
        for _ in range(3):  # those that a superuser may have
            others.pop().close()
        run = sospes("rehearse", tmp_path / "night.sql", "--side", postgres.address("postgres"), "--json")
    finally:
        for other in others:
            other.close()

    [finding] = run.document["findings"]
    assert (run.code, finding["code"]) == (3, "not-carried-out")
    assert "has no connections left" in finding["advice"] and "pg_hba" not in finding["advice"]
    assert left_on(postgres.address("postgres")) == []

"""What of a backup's statements is said otherwise on a side copy, statement by statement."""

from __future__ import annotations

import pytest

from sospes.engines.mariadb.restated import at_home as data_at_home
from sospes.engines.mariadb.restated import switched_off
from sospes.engines.postgresql.left_out import at_home
from sospes.model.entries import Entry, Name
from sospes.model.kinds import Kind


@pytest.mark.parametrize(
    ("kind", "statement", "expected"),
    [
        ("table", "CREATE TABLE a (tablespace int) TABLESPACE x;", "CREATE TABLE a (tablespace int) ;"),
        ("table", "CREATE TABLE a (b int PRIMARY KEY USING INDEX TABLESPACE x);", None),
        (
            "constraint",
            'ALTER TABLE a ADD PRIMARY KEY (b) USING INDEX TABLESPACE "x y";',
            "ALTER TABLE a ADD PRIMARY KEY (b) ;",
        ),
        ("index", "CREATE INDEX i ON a (b) TABLESPACE x WHERE c;", "CREATE INDEX i ON a (b)  WHERE c;"),
        ("index", "CREATE INDEX i ON a (b) WHERE tablespace IS NULL;", None),
        ("index", "CREATE INDEX i ON a (b) WHERE 'TABLESPACE x' = c;", None),
        ("table setting", "ALTER TABLE a SET TABLESPACE x;", ""),
        ("table setting", "ALTER TABLE a SET (tablespace = 1);", None),
        ("setting", "SET default_tablespace = x;", ""),
        ("setting", "SET default_tablespace = '';", None),
        ("setting", "SET search_path = tablespace, x;", None),
        ("view", "CREATE VIEW v AS SELECT 1 AS TABLESPACE x;", None),
    ],
)
def test_only_tablespaces_are_cut_out_of_a_statement(kind: str, statement: str, expected: str | None) -> None:
    entry = Entry(kind=Kind(kind), name=Name(None, None, "a"), definition=statement.encode())
    assert at_home(entry).decode() == (statement if expected is None else expected)


@pytest.mark.parametrize(
    ("statement", "expected"),
    [
        (b"CREATE TABLE a (b int)", b"CREATE TABLE a (b int)"),
        (b"CREATE TABLE a (b int) DATA DIRECTORY='/x'", b"CREATE TABLE a (b int) "),
        (b'CREATE TABLE a (b int) data/**/directory "/x" ENGINE=InnoDB', b"CREATE TABLE a (b int)  ENGINE=InnoDB"),
        (b"CREATE TABLE a (b int COMMENT 'DATA DIRECTORY=1')", b"CREATE TABLE a (b int COMMENT 'DATA DIRECTORY=1')"),
        (b"CREATE TABLE a (`data` int, `directory` int)", b"CREATE TABLE a (`data` int, `directory` int)"),
        (b"CREATE TABLE a (data int, directory int)", b"CREATE TABLE a (data int, directory int)"),
        (b"CREATE TABLE a DATA DIRECTORY", b"CREATE TABLE a DATA DIRECTORY"),
        (b"CREATE TABLE a DATA DIRECTORY =", b"CREATE TABLE a DATA DIRECTORY ="),
    ],
)
def test_only_folders_are_cut_out_of_a_definition(statement: bytes, expected: bytes) -> None:
    assert data_at_home(statement)[0] == expected


@pytest.mark.parametrize(
    ("schedule", "expected"),
    [
        ("EVERY 1 DAY", "EVERY 1 DAY DISABLE DO"),
        ("EVERY 1 DAY ENABLE", "EVERY 1 DAY DISABLE  DO"),
        ("EVERY 1 DAY DISABLE ON SLAVE", "EVERY 1 DAY DISABLE  ON SLAVE DO"),
        ("AT (SELECT 'do enable' AS `do`)", "AT (SELECT 'do enable' AS `do`) DISABLE DO"),
        ("EVERY 1 DAY ON COMPLETION PRESERVE COMMENT 'x'", "EVERY 1 DAY ON COMPLETION PRESERVE DISABLE COMMENT 'x' DO"),
    ],
)
def test_an_event_is_switched_off(schedule: str, expected: str) -> None:
    statement = f"CREATE EVENT `do` ON SCHEDULE {schedule} DO BEGIN DO 1; END"
    assert switched_off(statement.encode()).decode() == f"CREATE EVENT `do` ON SCHEDULE {expected} BEGIN DO 1; END"

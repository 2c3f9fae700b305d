"""Every dump of every made-up database is sound, every row is counted, every pairing of forms is equal."""

from __future__ import annotations

import random
import shutil
import sqlite3
import subprocess
from contextlib import closing
from pathlib import Path
from typing import Any

import pytest

from tests.conftest import sospes
from tests.random_databases import MARIADB, POSTGRESQL, SQLITE, Table, made_up, statements
from tests.servers import MariadbServer, PostgresServer

SEEDS = range(10)
_POSTGRESQL_OPTIONS: tuple[list[str], ...] = (
    [], ["--inserts"], ["--column-inserts"], ["--rows-per-insert=3"], ["--quote-all-identifiers"], ["-Fc"], ["-Fc", "-Z0"],
    ["--verbose"], ["--create"], ["--clean", "--if-exists"], ["--no-owner", "--no-privileges"], ["-Ft"],
    ["--use-set-session-authorization"], ["--inserts", "--on-conflict-do-nothing"], ["--encoding=UTF8"],
)  # fmt: skip
_MARIADB_OPTIONS: tuple[list[str], ...] = (
    [], ["--complete-insert"], ["--skip-extended-insert"], ["--hex-blob"], ["--databases"], ["--skip-opt"], ["--replace"],
    ["--insert-ignore"], ["--order-by-primary"], ["--single-transaction", "--skip-tz-utc"], ["--no-autocommit"],
    ["--default-character-set=binary"], ["--compatible=ansi"],
)  # fmt: skip


def _check(dumps: list[Path], tables: list[Table]) -> None:
    wanted = sorted((table.name, len(table.rows)) for table in tables)
    for dump in dumps:
        document = sospes("verify", "--values", dump, "--json").document
        assert _alarms(document) == [], dump.name
        assert sorted((item["name"], item["rows"]) for item in document["result"]["tables"]) == wanted, dump.name
        assert _alarms(sospes("rehearse", dump, "--json").document) == [], dump.name
    for dump in dumps[1:]:
        if "ansi" in dump.name:
            continue  # that form is in latin1: what the set lacks is lost in it
        assert _alarms(sospes("compare", dumps[0], dump, "--json").document) == [], f"{dumps[0].name}, {dump.name}"


def _alarms(document: dict[str, Any]) -> list[tuple[str, str]]:
    return [(item["code"], item["message"]) for item in document["findings"] if item["severity"] != "note"]


@pytest.mark.servers
@pytest.mark.parametrize("seed", SEEDS)
def test_postgresql(postgres: PostgresServer, tmp_path: Path, seed: int) -> None:
    chance = random.Random(seed)
    tables = made_up(seed, POSTGRESQL, lambda name: len(name.encode()) > 63)
    database = f"made_up_{seed}"
    encoding = chance.choice(("UTF8", "UTF8", "SQL_ASCII"))
    postgres.run_sql(
        "postgres", f"CREATE DATABASE {database} TEMPLATE template0 ENCODING '{encoding}' LC_COLLATE 'C' LC_CTYPE 'C'"
    )
    try:
        postgres.run_sql(database, "SET client_min_messages = warning;\n" + statements(tables, '"', backslashes=False))
        dumps = []
        for number, options in enumerate([[], *chance.sample(_POSTGRESQL_OPTIONS[1:], 5)]):
            dumps.append(tmp_path / f"{number} {' '.join(options)}".replace("/", "_"))
            dumps[-1].write_bytes(postgres.dump(database, *options))
        _check(dumps, tables)
        if encoding == "UTF8":
            document = sospes("rehearse", "--side", "private", chance.choice(dumps), "--json").document
            assert _alarms(document) == []
            live = postgres.address(database)
            assert _alarms(sospes("compare", chance.choice(dumps), live, "--json").document) == []
    finally:
        postgres.run_sql("postgres", f"DROP DATABASE {database}")


@pytest.mark.servers
@pytest.mark.parametrize("seed", SEEDS)
def test_mariadb(mariadb: MariadbServer, tmp_path: Path, seed: int) -> None:
    chance = random.Random(seed)
    tables = made_up(seed, MARIADB, lambda name: name != name.rstrip() or len(name) > 64 or "🚤" in name)
    database = f"made_up_{seed}"
    mariadb.run_sql("", f"CREATE DATABASE {database} CHARACTER SET utf8mb4")
    try:
        made = statements(tables, "`", backslashes=False).replace("\\", "\\\\")
        mariadb.run_sql(database, "SET NAMES utf8mb4; SET time_zone = '+00:00';\n" + _names_as_they_are(made))
        dumps = []
        for number, options in enumerate([[], *chance.sample(_MARIADB_OPTIONS[1:], 5)]):
            dumps.append(tmp_path / f"{number} {' '.join(options)}.sql")
            dumps[-1].write_bytes(mariadb.dump(*options, database))
        _check(dumps, tables)
        whole = [dump for dump in dumps if not any(word in dump.name for word in ("opt", "binary", "ansi"))]
        live = mariadb.address(database)
        assert _alarms(sospes("compare", chance.choice(whole), live, "--json").document) == []
        assert _alarms(sospes("rehearse", "--side", "private", chance.choice(whole), "--json").document) == []
    finally:
        mariadb.run_sql("", f"DROP DATABASE {database}")


def _names_as_they_are(made: str) -> str:
    """Backslashes escape in strings, and not in names."""
    parts = made.split("`")
    return "`".join(part.replace("\\\\", "\\") if number % 2 else part for number, part in enumerate(parts))


@pytest.mark.parametrize("seed", SEEDS)
def test_sqlite(tmp_path: Path, seed: int) -> None:
    tables = made_up(seed, SQLITE)
    path = tmp_path / "made up.db"
    with closing(sqlite3.connect(path)) as connection:
        connection.executescript(statements(tables, '"', backslashes=False))
        connection.execute("ANALYZE")
        connection.commit()
    dumps = [path]
    if shutil.which("sqlite3"):
        dumps.append(tmp_path / "dump.sql")
        dumps[-1].write_bytes(subprocess.run(["sqlite3", path, ".dump"], capture_output=True, check=True).stdout)
    _check(dumps, tables)

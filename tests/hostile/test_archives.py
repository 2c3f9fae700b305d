"""Archives whose contents somebody edited, SQLite's scripts and files: told by reading, and nothing of them comes out."""

from __future__ import annotations

import re
import sqlite3
from contextlib import closing
from pathlib import Path

import pytest

from sospes.formats.opening import Opening, open_backup
from sospes.model.entries import Entry
from tests.conftest import DUMPS, sospes
from tests.hostile.ways import Way, ways

POSTGRESQL = [pytest.param(way, id=way.name) for way in ways("postgresql", "told")]
SQLITE = [pytest.param(way, id=way.name) for way in ways("sqlite", "told")]
ARCHIVE = DUMPS / "postgresql-15.dump"


def _edited(folder: Path, text: str) -> Path | None:
    """The archive with a statement of the author's in place of a definition, of the very same length; None if too long."""
    data = ARCHIVE.read_bytes()
    entries = [event for event in open_backup([ARCHIVE], Opening()).events() if isinstance(event, Entry)]
    longest = max((entry.definition.strip() for entry in entries if entry.kind == "function"), key=len)
    if len(text) > len(longest):
        return None
    path = folder / "night.dump"
    path.write_bytes(data.replace(longest, text.encode().ljust(len(longest))))
    return path


@pytest.mark.parametrize("way", POSTGRESQL)
def test_an_edited_entry_is_told(tmp_path: Path, canary: Path, way: Way) -> None:
    path = _edited(tmp_path, way.written(canary))
    if path is None:
        pytest.skip("longer than any definition of the archive")
    for command in (["verify"], ["rehearse"]):
        run = sospes(*command, path, "--json")
        assert run.document["verdict"] != "sound"
        assert run.code in {1, 3}


@pytest.mark.parametrize("way", POSTGRESQL)
def test_a_statement_behind_another_in_one_entry_is_told(tmp_path: Path, canary: Path, way: Way) -> None:
    path = _edited(tmp_path, f"CREATE TYPE public.t AS ENUM ('a');\n{way.written(canary)}")
    if path is None:
        pytest.skip("longer than any definition of the archive")
    assert sospes("verify", path, "--json").document["verdict"] != "sound"


def _with_drop(folder: Path, text: str) -> Path | None:
    """The archive with another statement to drop a constraint by, which a restore runs that cleans up first."""
    data = ARCHIVE.read_bytes()
    drops = re.findall(rb"ALTER TABLE ONLY [\w.]+ DROP CONSTRAINT [\w.]+;", data)
    longest = max(drops, key=len)
    if len(text.encode()) > len(longest):
        return None
    path = folder / "night.dump"
    path.write_bytes(data.replace(longest, text.encode().ljust(len(longest))))
    return path


@pytest.mark.parametrize("way", POSTGRESQL)
def test_an_edited_drop_is_told(tmp_path: Path, way: Way) -> None:
    path = _with_drop(tmp_path, way.written(Path("/tmp/x")))
    if path is None:
        pytest.skip("longer than any drop of the archive")
    found = sospes("verify", path, "--json").document["findings"]
    assert "hostile-statement" in {finding["code"] for finding in found}


@pytest.mark.parametrize(
    "drop",
    [
        "DROP EVENT TRIGGER e;", "DROP CAST (integer AS text);", 'DROP TABLE "a;b"."COPY";',
        "ALTER TABLE a.b ALTER COLUMN c DROP DEFAULT;", "SELECT pg_catalog.lo_unlink('16400');",
        "CREATE OR REPLACE VIEW a.v AS\nSELECT\n    NULL::integer AS i;", "DROP OPERATOR public.=== (text, text);",
        "ALTER TABLE a.b DISABLE ROW LEVEL SECURITY;", "DROP FUNCTION a.f(x text, OUT y integer[]);",
    ],
)  # fmt: skip
def test_drops_that_servers_write_are_sound(tmp_path: Path, drop: str) -> None:
    path = _with_drop(tmp_path, drop)
    assert path is not None
    document = sospes("verify", path, "--json").document
    assert document["verdict"] == "sound", document["findings"]


@pytest.mark.parametrize("way", SQLITE)
def test_what_nobody_writes_into_a_script_of_sqlite_is_told(tmp_path: Path, canary: Path, way: Way) -> None:
    path = tmp_path / "night.sql"
    path.write_text(
        "PRAGMA foreign_keys=OFF;\nBEGIN TRANSACTION;\nCREATE TABLE tide (id integer);\nINSERT INTO tide VALUES(1);\n"
        f"{way.written(canary)}\nCOMMIT;\n"
    )
    assert sospes("verify", path, "--json").document["verdict"] != "sound"
    assert sospes("rehearse", path, "--json").document["verdict"] != "sound"
    sospes("extract", path, "tide", "--as", "csv", "--out", tmp_path / "out.csv")


@pytest.mark.parametrize(
    "definition",
    [
        "CREATE VIEW v AS SELECT load_extension('/tmp/x')",
        "CREATE VIEW v AS SELECT writefile('{canary}', 'x')",
        "CREATE TRIGGER g AFTER INSERT ON tide BEGIN SELECT load_extension('/tmp/x'); END",
        "CREATE TRIGGER g AFTER INSERT ON tide BEGIN SELECT writefile('{canary}', new.id); END",
        "CREATE TABLE u (a, b AS (load_extension(a)))",
        "CREATE TABLE u (a CHECK (writefile('{canary}', a)))",
        "CREATE TABLE u (a DEFAULT (load_extension('/tmp/x')))",
        "CREATE INDEX i ON tide (load_extension(id))",
        "CREATE INDEX i ON tide (id) WHERE writefile('{canary}', id)",
        "CREATE VIRTUAL TABLE u USING csv(filename='/etc/passwd')",
        "CREATE VIRTUAL TABLE u USING fsdir",
        "CREATE VIRTUAL TABLE u USING zipfile('{canary}')",
    ],
)
def test_code_in_a_database_file_is_never_run(tmp_path: Path, canary: Path, definition: str) -> None:
    path = tmp_path / "tide.db"
    with closing(sqlite3.connect(path)) as database:
        database.executescript("CREATE TABLE tide (id integer); INSERT INTO tide VALUES (1),(2);")
        database.execute("PRAGMA writable_schema = ON")
        words = definition.replace("{canary}", str(canary)).split()
        name = words[3] if words[1] == "VIRTUAL" else words[2]
        kind = {"VIEW": "view", "TRIGGER": "trigger", "INDEX": "index"}.get(words[1], "table")
        table = "tide" if kind in {"trigger", "index"} else name
        row = (kind, name, table, " ".join(words))
        database.execute("INSERT INTO sqlite_schema (type, name, tbl_name, rootpage, sql) VALUES (?, ?, ?, 0, ?)", row)
        database.commit()
    for command in ("verify", "rehearse", "inspect"):
        assert sospes(command, path, "--json").code in {0, 1, 3}
    sospes("verify", path, "--values")
    sospes("compare", path, path)
    out = tmp_path / "out.csv"
    run = sospes("extract", path, "tide", "--as", "csv", "--out", out)
    assert not out.exists() or out.read_text() == "id\n1\n2\n"
    assert run.code != 0 or out.exists()

"""Archives whose contents somebody edited, SQLite's scripts and files: told by reading, and nothing of them comes out."""

from __future__ import annotations

import sqlite3
from contextlib import closing
from pathlib import Path

import pytest

from sospes.formats.opening import Opening, open_backup
from sospes.model.entries import Entry
from tests.conftest import DUMPS, sospes
from tests.hostile.ways import POSTGRESQL_TOLD, SQLITE_TOLD

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


@pytest.mark.parametrize("way", POSTGRESQL_TOLD.values(), ids=POSTGRESQL_TOLD.keys())
def test_an_edited_entry_is_told(tmp_path: Path, canary: Path, way: str) -> None:
    path = _edited(tmp_path, way.replace("{canary}", str(canary)))
    if path is None:
        pytest.skip("longer than any definition of the archive")
    for command in (["verify"], ["rehearse"]):
        run = sospes(*command, path, "--json")
        assert run.document["verdict"] != "sound"
        assert run.code in {1, 3}


@pytest.mark.parametrize("way", POSTGRESQL_TOLD.values(), ids=POSTGRESQL_TOLD.keys())
def test_a_statement_behind_another_in_one_entry_is_told(tmp_path: Path, canary: Path, way: str) -> None:
    path = _edited(tmp_path, f"CREATE TYPE public.t AS ENUM ('a');\n{way.replace('{canary}', str(canary))}")
    if path is None:
        pytest.skip("longer than any definition of the archive")
    assert sospes("verify", path, "--json").document["verdict"] != "sound"


@pytest.mark.parametrize("way", SQLITE_TOLD.values(), ids=SQLITE_TOLD.keys())
def test_what_nobody_writes_into_a_script_of_sqlite_is_told(tmp_path: Path, canary: Path, way: str) -> None:
    way = way.replace("{canary}", str(canary))
    path = tmp_path / "night.sql"
    path.write_text(
        "PRAGMA foreign_keys=OFF;\nBEGIN TRANSACTION;\nCREATE TABLE tide (id integer);\nINSERT INTO tide VALUES(1);\n"
        f"{way}\nCOMMIT;\n"
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

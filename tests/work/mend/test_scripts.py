"""Scripts that Sospes writes, through the real clients: every value and name comes back, and nothing else happens."""

from __future__ import annotations

import random
import shutil
import sqlite3
import subprocess
from contextlib import closing
from pathlib import Path

import pytest

from tests.conftest import sospes
from tests.servers import MariadbServer, PostgresServer

NASTY = [
    "it's", "''", "\\", "\\'", "\\\\'; DROP TABLE canary; --", "'; DROP TABLE canary; --", '"; DROP TABLE canary; --',
    "`; DROP TABLE canary; --", "$sospes0$; DROP TABLE canary; $sospes0$", "$$; DROP TABLE canary; $$", "$sospes0$",
    "a\n\\! touch {file}\nb", "\n\\! touch {file}\n", "\\! touch {file}", "a\n.shell touch {file}\nb", ".shell touch {file}",
    "a\nsystem touch {file}\nb", "a\n\\o {file}\nb", "a\nDELIMITER ;\nDROP TABLE canary;\nb", "//\nDROP TABLE canary;\n//",
    "a\r\nb", "a\rb", "tab\there", "bell\x07", "escape\x1b[2J", "\x1a", "del\x7f", "\u2028 line \u2029", "\x85",
    "é\\", "€\\'; DROP TABLE canary; -- ", "\u00bf\\", "\u0153\\' OR 1=1 -- ", "日本語\\", "表\\", "ソ'", "😀\\'", "\u202e drow",
    "-- comment", "/* open", "*/ close", "# hash", ":var :'var' :\"var\"", "%s %(x)s %%", "{}", "E'\\x41'", "\\N", "NULL", "",
    " leading", "trailing ", "x'41'", "0x41", "$1", "?", "@a", ";", "\\.", "\\copy canary to '{file}'", "\\g | touch {file}",
]  # fmt: skip
"""Text by which somebody may try to get out of a quote, a comment, a line, or the client."""

NAMES = [
    "plain", "it's", 'quo"te', "back`tick", "semi;colon", "new\nline", "dash -- dash", "/* c */", "$sospes0$", "back\\slash",
    "\\! touch {file}", "a\n\\! touch {file}", "a\n.shell touch {file}", "é€", "表ソ", "dot.dot", "per%cent", ":colon", "tab\t",
    "DROP TABLE canary",
]  # fmt: skip


def _texts(file: Path) -> list[str]:
    return [text.replace("{file}", str(file)) for text in NASTY]


def _names(file: Path, most: int) -> list[str]:
    return [name.replace("{file}", str(file))[:most].rstrip() for name in NAMES]


_PIECES = (
    *"'\"`\\$;:%&{}[]()<>|!?@#~^*+-=_,./ \n\r\t\v\f\b\x01\x1a\x1b\x7f", "é", "€", "ß", "表", "ソ", "\u2028", "\u202e", "\u00a0",
    "\ufeff", "--", "/*", "*/", "''", "\\'", "$$", "; DROP TABLE canary; ", "\n\\! touch {file}\n", "\n.shell touch {file}\n", "E'",
    "U&'", "0x", "NULL", "a", "B", "7",
)  # fmt: skip


def _made_up(seed: int, file: Path, count: int, most: int) -> list[str]:
    """Any text: pieces that mean something to one client or another, put together by chance, none alike."""
    chance = random.Random(seed)
    found: set[str] = set()
    while len(found) < count:
        text = "".join(chance.choice(_PIECES) for _ in range(chance.randrange(1, 12))).replace("{file}", str(file))
        found.add(text.encode()[:most].decode("utf-8", "ignore").rstrip())
    return sorted(found - {""})


def _mended(night: Path, right: str | Path, folder: Path, *more: str) -> tuple[Path, Path]:
    fix, undo = folder / "fix.sql", folder / "undo.sql"
    run = sospes("mend", night, right, "--out", fix, "--undo", undo, *more)
    assert run.code == 0, run.out + run.err
    return fix, undo


@pytest.mark.servers
def test_any_value_and_name_through_the_client_of_postgresql(postgres: PostgresServer, tmp_path: Path) -> None:
    file = tmp_path / "canary"
    texts, names = _texts(file) + _made_up(1, file, 40, 200), _names(file, 60) + _made_up(2, file, 30, 60)
    quoted = ['"' + name.replace('"', '""') + '"' for name in names]
    postgres.run_sql("postgres", "CREATE DATABASE quay")
    try:
        import psycopg

        with psycopg.connect(f"host={postgres.folder} user=postgres dbname=quay", autocommit=True) as session:
            session.execute("CREATE TABLE canary (a int)")
            session.execute(f"CREATE TABLE t (id int PRIMARY KEY, {', '.join(f'{name} text' for name in quoted)})")
            for name in quoted:
                session.execute(f"CREATE TABLE {name} (a text, b int PRIMARY KEY)")
                into = name.replace("%", "%%")
                session.execute(f"INSERT INTO {into} VALUES (%s, 1), (%s, 2)", (texts[9], texts[11]))
            for number in range(len(texts)):
                row = [texts[(number + place) % len(texts)] for place in range(len(names))]
                session.execute(f"INSERT INTO t VALUES ({', '.join(['%s'] * (len(names) + 1))})", [number, *row])
            night = tmp_path / "night.dump"
            night.write_bytes(postgres.dump("quay", "-Fc"))
            url = postgres.address("quay")
            for name in quoted:
                session.execute(f"DELETE FROM {name} WHERE b = 1")
                session.execute(f"UPDATE {name} SET a = 'x'")
            session.execute("DELETE FROM t WHERE id % 2 = 0")
            session.execute(f"UPDATE t SET {quoted[3]} = 'gone', {quoted[5]} = NULL")
            fix, undo = _mended(night, url, tmp_path)
            for encoding in ("UTF8", "LATIN1", "SJIS", "GBK"):
                _psql(postgres, fix, encoding)
                assert sospes("compare", night, url, "--json").code == 0, encoding
                _psql(postgres, undo, encoding)
                assert sospes("compare", night, url, "--json").code != 0, encoding
            assert session.execute("SELECT count(*) FROM canary").fetchone() == (0,)
        assert not file.exists()
    finally:
        postgres.run_sql("postgres", "DROP DATABASE quay")


@pytest.mark.servers
def test_any_comment_through_the_client_of_postgresql(postgres: PostgresServer, tmp_path: Path) -> None:
    file = tmp_path / "canary"
    texts = [text for text in _texts(file) + _made_up(7, file, 60, 200) if text]
    postgres.run_sql("postgres", "CREATE DATABASE quay")
    try:
        import psycopg

        with psycopg.connect(f"host={postgres.folder} user=postgres dbname=quay", autocommit=True) as session:
            session.execute("CREATE TABLE canary (a int)")
            session.execute(f"CREATE TABLE t ({', '.join(f'c{number} int' for number in range(len(texts)))})")
            for number, text in enumerate(texts):
                session.execute(f"COMMENT ON COLUMN t.c{number} IS {psycopg.sql.Literal(text).as_string(session)}")
            night, url = tmp_path / "night.sql", postgres.address("quay")
            night.write_bytes(postgres.dump("quay"))
            for number in range(len(texts)):
                session.execute(f"COMMENT ON COLUMN t.c{number} IS NULL")
            fix, _ = _mended(night, url, tmp_path, "--objects")
            taken = tmp_path / "taken.sql"
            assert sospes("extract", night, "t", "--out", taken).code == 0
            for script in (fix, taken):
                if script is taken:
                    session.execute("DROP TABLE t")
                _psql(postgres, script, "UTF8")
                said = "SELECT description FROM pg_description WHERE objoid = 't'::regclass ORDER BY objsubid"
                assert [text for (text,) in session.execute(said)] == texts, script
            assert session.execute("SELECT count(*) FROM canary").fetchone() == (0,)
        assert not file.exists()
    finally:
        postgres.run_sql("postgres", "DROP DATABASE quay")


def _psql(postgres: PostgresServer, script: Path, encoding: str) -> None:
    done = subprocess.run(
        [f"{postgres.binaries}/psql", "-h", str(postgres.folder), "-U", "postgres", "-d", "quay", "-qX", "-v", "ON_ERROR_STOP=1"],
        input=script.read_bytes(), capture_output=True, check=False, env={"PGCLIENTENCODING": encoding, "PATH": "/usr/bin:/bin"},
    )  # fmt: skip
    assert done.returncode == 0, (encoding, done.stderr.decode("utf-8", "replace"))


@pytest.mark.servers
@pytest.mark.parametrize("characters", ["utf8mb4", "latin1", "gbk", "sjis", "big5"])
def test_any_value_and_name_through_the_client_of_mariadb(
    mariadb: MariadbServer, tmp_path: Path, characters: str
) -> None:
    file = tmp_path / "canary"
    texts = _texts(file) + _made_up(3, file, 40, 200)
    names = [name for name in _names(file, 50) if "😀" not in name]
    seen = {name.lower() for name in names}
    names += [name for name in _made_up(4, file, 30, 50) if name.strip().lower() not in seen and name == name.strip()]
    quoted = ["`" + name.replace("`", "``") + "`" for name in names]
    socket = f"--socket={mariadb.folder}/s"
    mariadb.run_sql("", "CREATE DATABASE quay CHARACTER SET utf8mb4")
    try:
        import pymysql

        session = pymysql.connect(
            unix_socket=f"{mariadb.folder}/s", user="root", database="quay", charset="utf8mb4", autocommit=True
        )
        with closing(session), session.cursor() as cursor:
            cursor.execute("CREATE TABLE canary (a int)")
            columns = ", ".join(f"{name} text" for name in quoted)
            cursor.execute(f"CREATE TABLE t (id int PRIMARY KEY, {columns})")
            tables = [
                "`" + name.replace("`", "``") + "`" for name in dict.fromkeys(map(str.lower, names)) if name != "t"
            ]
            for name in tables:
                cursor.execute(f"CREATE TABLE {name} (a text, b int PRIMARY KEY)")
                cursor.execute(f"INSERT INTO {name} VALUES ({session.escape(texts[9])}, 1), ('y', 2)")
            for number in range(len(texts)):
                row = [texts[(number + place) % len(texts)] for place in range(len(names))]
                values = ", ".join(session.escape(value) for value in row)
                cursor.execute(f"INSERT INTO t VALUES ({number}, {values})")
            night = tmp_path / "night.sql"
            night.write_bytes(mariadb.dump("quay"))
            url = mariadb.address("quay")
            cursor.execute("DELETE FROM t WHERE id % 2 = 0")
            for name in tables:
                cursor.execute(f"DELETE FROM {name} WHERE b = 1")
                cursor.execute(f"UPDATE {name} SET a = 'x'")
            cursor.execute(f"UPDATE t SET {quoted[3]} = 'gone', {quoted[5]} = NULL")
            fix, undo = _mended(night, url, tmp_path)
            for script, same in ((fix, True), (undo, False)):
                done = subprocess.run(
                    ["mariadb", "--no-defaults", socket, "-u", "root", f"--default-character-set={characters}", "quay"],
                    input=script.read_bytes(), capture_output=True, check=False,
                )  # fmt: skip
                assert done.returncode == 0, done.stderr.decode("utf-8", "replace")
                assert (sospes("compare", night, url, "--json").code == 0) is same
            cursor.execute("SELECT count(*) FROM canary")
            assert cursor.fetchone() == (0,)
        assert not file.exists()
    finally:
        mariadb.run_sql("", "DROP DATABASE quay")


def test_any_value_and_name_in_sqlite(tmp_path: Path) -> None:
    file = tmp_path / "canary"
    seen = {name.lower() for name in _names(file, 60)}
    texts = _texts(file) + _made_up(5, file, 40, 200)
    names = _names(file, 60) + [name for name in _made_up(6, file, 30, 60) if name.lower() not in seen | {"id"}]
    names = [name for name in names if "\r\n" not in name]
    quoted = ['"' + name.replace('"', '""') + '"' for name in names]
    night, live = tmp_path / "night.db", tmp_path / "live.db"
    with closing(sqlite3.connect(night)) as session:
        session.execute("CREATE TABLE canary (a int)")
        session.execute(f"CREATE TABLE t (id INTEGER PRIMARY KEY, {', '.join(f'{name} text' for name in quoted)})")
        for number in range(len(texts)):
            row = [texts[(number + place) % len(texts)] for place in range(len(names))]
            session.execute(f"INSERT INTO t VALUES ({', '.join(['?'] * (len(names) + 1))})", [number, *row])
        tables = ['"' + name.replace('"', '""') + '"' for name in dict.fromkeys(map(str.lower, names)) if name != "t"]
        for name in tables:
            session.execute(f"CREATE TABLE {name} (a text, b INTEGER PRIMARY KEY)")
            session.execute(f"INSERT INTO {name} VALUES (?, 1), ('y', 2)", [texts[9]])
        session.commit()
    shutil.copy(night, live)
    with closing(sqlite3.connect(live)) as session:
        session.execute("DELETE FROM t WHERE id % 2 = 0")
        session.execute(f"UPDATE t SET {quoted[3]} = 'gone', {quoted[5]} = NULL")
        for name in tables:
            session.execute(f"DELETE FROM {name} WHERE b = 1")
            session.execute(f"UPDATE {name} SET a = 'x'")
        session.commit()
    fix, _ = _mended(night, live, tmp_path)
    client = shutil.which("sqlite3")
    if client is not None:
        done = subprocess.run([client, str(live)], input=fix.read_bytes(), capture_output=True, check=False)
        assert done.returncode == 0, done.stderr.decode("utf-8", "replace")
    else:
        text = fix.read_bytes().replace(b".bail on\n", b"").decode()
        with closing(sqlite3.connect(live)) as session:
            session.executescript(text)

    assert sospes("compare", night, live, "--json").code == 0
    assert not file.exists()


def test_a_name_that_sqlite_s_client_can_not_read_is_told(tmp_path: Path) -> None:
    night, live = tmp_path / "night.db", tmp_path / "live.db"
    with closing(sqlite3.connect(night)) as session:
        session.execute('CREATE TABLE t (id INTEGER PRIMARY KEY, "a\r\nb" text)')
        session.execute("INSERT INTO t VALUES (1, 'x')")
        session.commit()
    shutil.copy(night, live)
    with closing(sqlite3.connect(live)) as session:
        session.execute("DELETE FROM t")
        session.commit()

    run = sospes("mend", night, live, "--out", tmp_path / "fix.sql", "--json")

    assert (run.code, run.codes) == (3, ["name-unwritable"])


def test_a_script_s_own_comments_stay_comments(tmp_path: Path) -> None:
    odd = tmp_path / "night\n.shell touch canary\n--.db"
    with closing(sqlite3.connect(odd)) as session:
        session.execute('CREATE TABLE "t\nDROP TABLE u; --" (id INTEGER PRIMARY KEY, a text)')
        session.execute("""INSERT INTO "t\nDROP TABLE u; --" VALUES (1, 'a')""")
        session.commit()
    live = tmp_path / "live.db"
    shutil.copy(odd, live)
    with closing(sqlite3.connect(live)) as session:
        session.execute('UPDATE "t\nDROP TABLE u; --" SET a = NULL')
        session.commit()

    fix, _ = _mended(odd, live, tmp_path)

    head = fix.read_text().split(".bail on\n")[0].splitlines()
    assert len(head) > 3 and all(line.startswith("-- ") for line in head)

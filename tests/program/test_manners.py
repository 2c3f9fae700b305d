"""What people read first, how much of it, and what they are asked for before anything takes long."""

from __future__ import annotations

import re
import sqlite3
from contextlib import closing
from pathlib import Path
from types import SimpleNamespace

import pytest

from sospes.model.errors import UsageError
from sospes.sides.servers.address import read_address
from tests.backups import copy_table, mysql, postgresql
from tests.conftest import DUMPS, sospes
from tests.servers import MariadbServer, PostgresServer

COLUMNS = [("id", "integer"), ("note", "text"), ("height", "numeric(4,2)")]


def _night(folder: Path, bad: int = 0, words: int = 0) -> Path:
    rows = [[str(number), f"note {number}", "1.25"] for number in range(40)]
    for number in range(bad):
        rows[number] = rows[number][:2]
    for number in range(words):
        rows[30 - number][2] = "tall"
    night = folder / "night.sql"
    night.write_bytes(postgresql(copy_table("public.tide", COLUMNS, rows)))
    return night


def test_few_findings_of_a_kind_are_listed_and_the_others_counted(tmp_path: Path) -> None:
    night = _night(tmp_path, words=12)

    out = sospes("verify", night).out

    assert out.count("  fault  ") == 5
    assert "... and 7 more faults of this kind (value-wrong)" in out or re.search(
        r"and 7 more faults of this kind", out
    )
    assert "--limit N lists more" in out
    assert sospes("verify", night, "--limit", "8").out.count("  fault  ") == 8
    whole = sospes("verify", night, "--limit", "50").out
    assert whole.count("  fault  ") == 12 and "more faults" not in whole


def test_one_kind_does_not_hide_the_others(tmp_path: Path) -> None:
    text = _night(tmp_path, words=12).read_bytes().replace(b"SET client_encoding", b"SEX client_encoding")
    (tmp_path / "night.sql").write_bytes(text)

    out = sospes("verify", tmp_path / "night.sql").out

    assert "SEX client_encoding" in out and "more faults of this kind" in out


@pytest.mark.parametrize("command", ["verify", "rehearse"])
def test_columns_are_listed_when_asked_for(command: str, tmp_path: Path) -> None:
    night = _night(tmp_path)

    assert "height" not in sospes(command, night).out
    assert "id, note, height" in sospes(command, night, "--show-columns").out
    assert "id, note, height" in sospes("inspect", "--contents", night).out


def test_a_long_list_of_objects_stays_in_its_column(tmp_path: Path) -> None:
    kinds = (
        "CREATE SCHEMA pier;", "CREATE SEQUENCE one;", "CREATE TYPE two AS ENUM ('a');", "CREATE DOMAIN three AS text;",
        "CREATE VIEW four AS SELECT 1;", "CREATE COLLATION five FROM \"C\";", "CREATE PUBLICATION six;",
        "CREATE TEXT SEARCH DICTIONARY seven (TEMPLATE = simple);", "CREATE OPERATOR FAMILY eight USING btree;",
        "CREATE TEXT SEARCH CONFIGURATION nine (PARSER = pg_catalog.\"default\");",
        "CREATE FOREIGN DATA WRAPPER ten;", "CREATE SERVER eleven FOREIGN DATA WRAPPER ten;",
    )  # fmt: skip
    night = tmp_path / "night.sql"
    night.write_bytes(postgresql("\n".join(kinds).encode()))

    lines = sospes("verify", night).out.splitlines()
    [first] = [number for number, line in enumerate(lines) if line.startswith("  also:")]

    assert "1 text search configuration" in " ".join(" ".join(lines[first : first + 3]).split())
    assert lines[first + 1].startswith(" " * len("  also:  "))


def test_what_could_not_be_proven_ends_with_one_thing_to_do(tmp_path: Path) -> None:
    night = tmp_path / "night.sql"
    night.write_bytes(b"CREATE TABLE public.tide (id integer);\nCOPY public.tide (id) FROM stdin;\n1\n\\.\n")

    run = sospes("verify", night)

    assert run.code == 3
    assert run.out.count("what to do:") == 1
    assert f"sospes rehearse {night} --side private" in " ".join(run.out.split())
    assert "what to do:" not in sospes("verify", _night(tmp_path)).out


@pytest.mark.parametrize(
    ("url", "host", "port", "label"),
    [
        ("postgresql:///quay?host=/run/pg&port=5499", "/run/pg", 5499, "postgresql:///run/pg:5499/quay"),
        ("postgresql://duty@north:6000/quay", None, 6000, "postgresql://north:6000/quay"),
        ("mariadb:///quay?socket=/run/m.sock", None, None, "mariadb:///run/m.sock/quay"),
        ("mariadb:///quay?unix_socket=/run/m.sock", None, None, "mariadb:///run/m.sock/quay"),
        ("postgresql://north/", None, None, "postgresql://north/"),
    ],
)
def test_addresses_as_people_write_them(url: str, host: str | None, port: int | None, label: str) -> None:
    address = read_address(url, {})

    assert (address.options.get("host"), address.port, address.label) == (host, port, label)


@pytest.mark.parametrize("port", ["0", "65536", "north", "-1"])
def test_a_port_that_is_none(port: str) -> None:
    with pytest.raises(UsageError, match="port"):
        read_address(f"postgresql:///quay?host=/run&port={port}", {})


def test_space_is_looked_for_before_a_private_server_starts(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    def no_server(*_: object) -> None:
        raise AssertionError("a server was started")

    monkeypatch.setattr("subprocess.Popen", no_server)
    monkeypatch.setattr("shutil.disk_usage", lambda _: SimpleNamespace(free=1000))

    run = sospes("rehearse", _night(tmp_path), "--side", "private")

    assert run.code == 3 and "side copy" in run.err and "a server was started" not in run.err


def test_archives_say_how_much_their_data_unpack_to() -> None:
    checked = 0
    for path in sorted(DUMPS.iterdir()):
        document = sospes("verify", path, "--json").document["result"]
        if document["format"] != "pg-archive" or not any(table["rows"] for table in document["tables"]):
            continue
        rows = sum(table["rows"] for table in document["tables"])
        assert document["plain_bytes"] > 2 * rows, path
        checked += 1
    assert checked > 2


def test_a_head_names_the_databases_at_least(tmp_path: Path) -> None:
    many = b"".join(b"-- Current Database: `%s`\n\nUSE `%s`;\n" % (name, name) for name in (b"boats", b"crews"))
    rows = b"CREATE TABLE `t` (`a` text);\n" + b"INSERT INTO `t` VALUES ('" + b"x" * 60 + b"');\n" * 1
    night = tmp_path / "night.sql"
    filling = b"INSERT INTO `t` VALUES ('" + b"x" * 200 + b"');\n"
    night.write_bytes(mysql(many + rows + filling * 9000 + many.replace(b"boats", b"tides")))

    head = sospes("inspect", night)
    whole = sospes("inspect", "--contents", night)

    assert re.search(r"at least \S+, boats, crews; --contents tells all", head.out)
    assert "tides" in whole.out and "at least" not in whole.out


def test_rows_with_zero_bytes_and_blobs_come_back_from_their_own_extract(tmp_path: Path) -> None:
    database = tmp_path / "n.db"
    with closing(sqlite3.connect(database)) as connection:
        connection.execute("CREATE TABLE t (id integer PRIMARY KEY, a text, b blob)")
        rows = [(1, "a\0b", b"\0\1"), (2, 'c\r\nd\t"e"', None), (3, None, b""), (4, "", "x"), (5, "\\x41", b"A")]
        connection.executemany("INSERT INTO t VALUES (?, ?, ?)", rows)
        connection.commit()
    for kind in ("csv", "jsonl"):
        out = tmp_path / f"t.{kind}"
        assert sospes("extract", database, "t", "--as", kind, "--out", out).code == 0

        assert sospes("compare", database, out, "--table", "t", "--json").code == 0
        assert sospes("compare", out, database, "--table", "t", "--json").code == 0
        out.write_bytes(out.read_bytes().replace(b"x0001", b"x0002"))
        assert sospes("compare", database, out, "--table", "t", "--json").code == 1


@pytest.mark.servers
def test_drift_is_checked_before_anything_is_read_and_spared_by_mend(postgres: PostgresServer, tmp_path: Path) -> None:
    postgres.run_sql("postgres", "CREATE DATABASE quay")
    try:
        postgres.run_sql(
            "quay",
            "CREATE TABLE call (id int PRIMARY KEY, note text, written timestamptz);"
            "INSERT INTO call SELECT g, 'n' || g, '2026-01-01' FROM generate_series(1, 50) g",
        )
        night = tmp_path / "night.sql"
        night.write_bytes(postgres.dump("quay"))
        url = f"postgresql://postgres@/quay?host={postgres.folder}&port=5432"

        near = sospes("compare", night, url, "--drift-by", "writen")
        assert near.code == 2 and "did you mean written?" in near.err
        unstated = sospes("mend", night, url, "--drift-by", "written", "--out", tmp_path / "m.sql")
        assert unstated.code == 2 and "--written-at" in unstated.err

        postgres.run_sql("quay", "UPDATE call SET note = 'lost' WHERE id = 3")
        postgres.run_sql("quay", "UPDATE call SET note = 'meant', written = '2026-03-01' WHERE id = 4")
        when = "2026-02-01T00:00:00+00:00"
        mended = sospes(
            "mend", night, url, "--drift-by", "written", "--written-at", when, "--out", tmp_path / "m.sql",
            "--apply", "quay",
        )  # fmt: skip

        assert mended.code == 0, mended.err
        assert postgres.query("quay", "SELECT note FROM call WHERE id IN (3, 4) ORDER BY id").split() == [
            b"n3",
            b"meant",
        ]
    finally:
        postgres.run_sql("postgres", "DROP DATABASE quay")


@pytest.mark.servers
def test_a_private_rehearsal_counts_what_it_restored_besides_tables(mariadb: MariadbServer, tmp_path: Path) -> None:
    mariadb.run_sql("", "CREATE DATABASE quay")
    try:
        mariadb.run_sql(
            "quay",
            "CREATE TABLE call_out (id int PRIMARY KEY, note text); INSERT INTO call_out VALUES (1, 'a');"
            "CREATE VIEW one AS SELECT id FROM call_out; CREATE VIEW two AS SELECT note FROM call_out;"
            "CREATE TRIGGER stamped BEFORE INSERT ON call_out FOR EACH ROW SET NEW.note = 'x';",
        )
        night = tmp_path / "night.sql"
        night.write_bytes(mariadb.dump("quay"))
    finally:
        mariadb.run_sql("", "DROP DATABASE quay")

    run = sospes("rehearse", night, "--side", "private", "--json")

    assert run.code == 0
    assert run.document["result"]["objects"]["view"] == 2 and run.document["result"]["objects"]["trigger"] == 1
    assert "2 views" in sospes("rehearse", night, "--side", "private").out

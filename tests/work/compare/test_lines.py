"""Rows of INSERT statements and of live MariaDB as lines of COPY text, and what comparing by lines saves."""

from __future__ import annotations

from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from sospes.formats.opening import Opened, Opening
from sospes.model.entries import Name
from sospes.model.events import Batch, Notation
from sospes.model.types import Hold
from sospes.rows.decoding import Row, held_rows
from sospes.rows.relined import as_lines
from sospes.sides.registry import open_live
from sospes.sides.servers.address import read_address
from sospes.work.compare.sides.backup import BackupRows
from sospes.work.compare.sides.live import LiveRows
from sospes.work.compare.sides.protocol import Wants
from tests.backups import mysql, postgresql
from tests.conftest import sospes
from tests.servers import MariadbServer, PostgresServer

TEXTS = st.text(st.characters(exclude_categories=["Cs"], exclude_characters="\0"), max_size=12)
VALUES = st.one_of(st.none(), TEXTS, st.integers(-(10**12), 10**12).map(str), st.sampled_from(["true", "NULL", "\\N"]))
_MARIADB = str.maketrans({"\\": "\\\\", "'": "\\'", "\n": "\\n", "\r": "\\r", "\x1a": "\\Z"})


def _postgresql_literal(value: str | None) -> str:
    return "NULL" if value is None else "'" + value.replace("'", "''") + "'"


def _mariadb_literal(value: str | None) -> str:
    return "NULL" if value is None else "'" + value.translate(_MARIADB) + "'"


def _only_batch(text: bytes, tmp: Path) -> Batch:
    path = tmp / "rows.sql"
    path.write_bytes(text)
    [part] = BackupRows(path, Opening()).read()._standing(lambda _: True)
    return part.batch


def _rows(batch: Batch, holds: list[Hold]) -> list[Row]:
    bad: list[bytes] = []
    rows = list(held_rows(batch, holds, lambda _row, _column, cell: bad.append(cell)))
    assert not bad
    return rows


@given(rows=st.lists(st.tuples(VALUES, VALUES), min_size=1, max_size=8))
@pytest.mark.parametrize("engine", ["postgresql", "mariadb"])
def test_lines_say_what_the_literals_say(
    engine: str, rows: list[tuple[str | None, str | None]], tmp_path_factory: pytest.TempPathFactory
) -> None:
    quoted = _postgresql_literal if engine == "postgresql" else _mariadb_literal
    tuples = ",".join(f"({quoted(one)},{quoted(other)})" for one, other in rows)
    head = "CREATE TABLE crew (a text, b text);\nINSERT INTO crew VALUES " + tuples + ";\n"
    script = (postgresql if engine == "postgresql" else mysql)(head.encode())
    batch = _only_batch(script, tmp_path_factory.mktemp("lines"))
    holds = [Hold.TEXT, Hold.TEXT]

    lines = as_lines(batch, holds)

    assert lines.notation is Notation.COPY and lines.data.count(b"\n") == lines.rows == len(rows)
    assert _rows(lines, holds) == _rows(batch, holds) == rows


@pytest.mark.parametrize(
    ("literal", "hold", "cell"),
    [
        ("true", Hold.TEXT, b"t"),
        ("false", Hold.TEXT, b"f"),
        ("-12.50", Hold.TEXT, b"-12.50"),
        ("1e+20", Hold.TEXT, b"1e+20"),
        ("B'0101'", Hold.TEXT, b"0101"),
        ("E'a\\tb'", Hold.TEXT, b"a\\tb"),
        ("'\\xdeadBEEF'", Hold.BYTES, b"\\\\xdeadBEEF"),
        ("'it''s'", Hold.TEXT, b"it's"),
        ("DEFAULT", Hold.TEXT, b"\\N"),
        (" 'blanks around' ", Hold.TEXT, b"blanks around"),
        ("''", Hold.TEXT, b""),
    ],
)
def test_a_literal_of_postgresql_as_its_server_copies_it(literal: str, hold: Hold, cell: bytes, tmp_path: Path) -> None:
    script = postgresql(f"CREATE TABLE crew (a text, b text);\nINSERT INTO crew VALUES ({literal}, 'z');\n".encode())

    assert as_lines(_only_batch(script, tmp_path), [hold, Hold.TEXT]).data == cell + b"\tz\n"


@pytest.mark.parametrize(
    ("literal", "hold", "cell"),
    [
        ("0xDEADBEEF", Hold.BYTES, b"\\\\xdeadbeef"),
        ("_binary 'a\\0b'", Hold.BYTES, b"\\\\x610062"),
        ("X'00ff'", Hold.BYTES, b"\\\\x00ff"),
        ("''", Hold.BYTES, b"\\\\x"),
        ("b'101'", Hold.BYTES, b"\\\\x05"),
        ("'back\\\\slash\\ttab\\nline\\'quote'", Hold.TEXT, b"back\\\\slash\\ttab\\nline'quote"),
        ('"in double quotes"', Hold.TEXT, b"in double quotes"),
        ("-7", Hold.INTEGER, b"-7"),
    ],
)
def test_a_literal_of_mariadb_as_its_server_is_asked_to_write_it(
    literal: str, hold: Hold, cell: bytes, tmp_path: Path
) -> None:
    script = mysql(f"CREATE TABLE `crew` (`a` text, `b` text);\nINSERT INTO `crew` VALUES ({literal},'z');\n".encode())

    assert as_lines(_only_batch(script, tmp_path), [hold, Hold.TEXT]).data == cell + b"\tz\n"


def test_text_in_another_character_set_is_not_made_into_lines(tmp_path: Path) -> None:
    script = postgresql("CREATE TABLE crew (a text);\nINSERT INTO crew VALUES ('S\xf8ren');\n".encode("latin-1"))
    batch = _only_batch(script.replace(b"'UTF8'", b"'LATIN1'"), tmp_path)

    with pytest.raises(ValueError):
        as_lines(batch, [Hold.TEXT])


def test_a_value_that_is_none_is_told_with_its_row(tmp_path: Path) -> None:
    rows = b"INSERT INTO crew VALUES (1, 'a');\nINSERT INTO crew VALUES ('zwei', 'b');\n"
    one, other = tmp_path / "one.sql", tmp_path / "other.sql"
    one.write_bytes(postgresql(b"CREATE TABLE crew (a integer, b text);\n" + rows))
    other.write_bytes(postgresql(b"CREATE TABLE crew (a integer, b text);\n" + rows.replace(b"'zwei'", b"2")))

    run = sospes("compare", one, other, "--json")

    assert run.code == 1 and "value-unreadable" in run.codes


def _lines(side: BackupRows | LiveRows) -> dict[str, list[bytes]]:
    found: dict[str, list[bytes]] = {}
    for part in side.lined(lambda _: True, {}):
        assert part.batch.notation is Notation.COPY, part.table
        found.setdefault(part.table.name, []).extend(part.batch.data.splitlines())
    return {name: sorted(lines) for name, lines in found.items()}


def _live(url: str) -> LiveRows:
    return LiveRows(open_live(read_address(url, {}), 60), name="live", database_name="quay")


_MARIADB_TABLES = r"""
CREATE TABLE all_types (
  a tinyint, b smallint unsigned, c mediumint, d int zerofill, e bigint unsigned, f decimal(20,6), g float, h double,
  i bit(1), j bit(13), k char(7), l varchar(40), m binary(3), n varbinary(20), o tinyblob, p longblob, q text, r longtext,
  s date, t time(3), u datetime(6), v timestamp NULL, w year, x enum('a','b','c\'d'), y set('p','q','r'), z json,
  aa uuid, ab inet6, ac point, ad varchar(20) CHARACTER SET latin1, ae varchar(20) COLLATE utf8mb4_bin, af boolean
);
INSERT INTO all_types VALUES
 (-1, 65535, -8000000, 42, 18446744073709551615, -12.500000, 0.1, 1e-300, b'1', b'1000000000001', 'ab', 'a\tb\\c\nd\re',
  x'00ff41', x'275c0a0d00', x'', x'00', 'it''s "q" \\N', 'æøå 日本語 🛟', '2026-02-28', '-12:30:00.125',
  '2026-03-29 02:30:00.123456', '2026-03-29 02:30:00', 2026, 'c\'d', 'p,r', '{"a": [1, 2.50, null]}',
  '123e4567-e89b-12d3-a456-426614174000', '2001:db8::1', ST_GeomFromText('POINT(1 2)'), 'Søren', 'Ä\\', true),
 (NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL,
  NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL),
 (127, 0, 1, 0, 0, 0, 3.4e38, 1.7976931348623157e308, b'0', b'0', '', '', '', '', '', '', '', '\\', '0000-00-00',
  '838:59:59', '9999-12-31 23:59:59', '2038-01-19 03:14:07', 1901, 'a', '', '[]',
  '00000000-0000-0000-0000-000000000000', '::', ST_GeomFromText('POINT(-1.5 1e10)'), '', '\\N', false);
CREATE TABLE `od``d "name` (`a``b` int PRIMARY KEY, `c\d` text);
INSERT INTO `od``d "name` VALUES (1, '1'), (2, NULL);
CREATE TABLE empty_one (a int);
"""


@pytest.mark.servers
@pytest.mark.parametrize("options", [(), ("--hex-blob",), ("--skip-extended-insert", "--complete-insert")])
def test_a_dump_and_live_mariadb_give_the_same_lines(
    mariadb: MariadbServer, tmp_path: Path, options: tuple[str, ...]
) -> None:
    mariadb.run_sql("", "CREATE DATABASE quay")
    try:
        mariadb.run_sql("quay", "SET NAMES utf8mb4; SET time_zone = '+00:00'; SET sql_mode = '';" + _MARIADB_TABLES)
        night = tmp_path / "night.sql"
        night.write_bytes(mariadb.dump(*options, "quay"))
        url = mariadb.address("quay")

        live = _live(url)

        assert _lines(BackupRows(night, Opening()).read()) == _lines(live)
        live.database.close()
        mariadb.run_sql("", "SET GLOBAL sql_mode = 'NO_BACKSLASH_ESCAPES,ANSI_QUOTES,PIPES_AS_CONCAT'")
        assert sospes("compare", night, url, "--json").code == 0
    finally:
        mariadb.run_sql("", "SET GLOBAL sql_mode = DEFAULT; DROP DATABASE quay")


@pytest.mark.servers
def test_a_row_that_the_server_can_not_write_in_one_piece_is_compared_by_its_values(
    mariadb: MariadbServer, tmp_path: Path
) -> None:
    mariadb.run_sql("", "CREATE DATABASE quay; SET GLOBAL max_allowed_packet = 4194304")
    try:
        mariadb.run_sql("quay", "CREATE TABLE log (id int PRIMARY KEY, a longtext, b int)")
        mariadb.run_sql("quay", "INSERT INTO log VALUES (1, REPEAT('\\n', 3000000), 1), (2, 'short', 2)")
        night = tmp_path / "night.sql"
        night.write_bytes(mariadb.dump("quay"))
        url = mariadb.address("quay")

        assert sospes("compare", night, url, "--json").code == 0
        mariadb.run_sql("quay", "UPDATE log SET b = 9 WHERE id = 1")
        run = sospes("compare", night, url, "--json")

        assert [table["changed"] for table in run.document["result"]["tables"]] == [1]
    finally:
        mariadb.run_sql("", "DROP DATABASE quay; SET GLOBAL max_allowed_packet = DEFAULT")


_POSTGRESQL_TABLES = """
CREATE TYPE berth AS (quay text, place int);
CREATE TYPE state AS ENUM ('moored', 'at sea', 'it''s');
CREATE TABLE all_types (
  a smallint, b bigint, c numeric, d real, e double precision, f boolean, g bytea, h text, i character(5), j date,
  k timestamptz, l interval, m uuid, n jsonb, o int[], p text[], q berth, r state, s bit(4), t bit varying, u inet,
  v tstzrange, w point, x xml, y money, z "char"
);
INSERT INTO all_types VALUES
 (-1, 9223372036854775807, 1.500, 0.1, 1e-300, true, '\\x00ff5c', E'a\\tb\\\\c\\nd\\re''f\\x08\\x0b\\x0c\\x01', 'ab', '2026-02-28',
  '2026-03-29 02:30:00.5+02', '1 mon -3 days', '123e4567-e89b-12d3-a456-426614174000', '{"a": [1, 2.50, null]}',
  '{1,NULL,3}', ARRAY['a,b', 'c"d', NULL, '\\'], ROW('north, "1"', 3), 'it''s', B'0101', B'1', '2001:db8::1/64',
  '[2026-01-01,2026-02-01)', '(1,2)', '<a/>', 12.5, 'x'),
 (NULL, NULL, 'NaN', 'Infinity', '-Infinity', false, '', '', '', '0044-03-15 BC', 'infinity', NULL, NULL, 'null', '{}',
  '{}', NULL, 'at sea', NULL, B'', NULL, 'empty', NULL, NULL, NULL, NULL),
 (0, 0, 'Infinity', -0.0, -0.0, NULL, NULL, '\\N', 'NULL', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL,
  NULL, NULL, NULL, NULL, NULL, NULL, NULL);
CREATE TABLE "Odd ""one"" here" ("a b" int PRIMARY KEY, "c\\d" text);
INSERT INTO "Odd ""one"" here" VALUES (1, 'true'), (2, NULL);
"""


@pytest.mark.servers
@pytest.mark.parametrize("options", [("--inserts",), ("--column-inserts",), ("--rows-per-insert=2",), ()])
def test_a_dump_and_live_postgresql_give_the_same_lines(
    postgres: PostgresServer, tmp_path: Path, options: tuple[str, ...]
) -> None:
    postgres.run_sql("postgres", "CREATE DATABASE quay")
    try:
        postgres.run_sql("quay", "SET timezone = 'UTC';" + _POSTGRESQL_TABLES)
        night = tmp_path / "night.sql"
        night.write_bytes(postgres.dump("quay", *options))
        live = _live(postgres.address("quay"))
        try:
            assert _lines(BackupRows(night, Opening()).read()) == _lines(live)
        finally:
            live.database.close()
    finally:
        postgres.run_sql("postgres", "DROP DATABASE quay")


@pytest.mark.servers
@pytest.mark.parametrize("engine", ["postgresql", "mariadb"])
def test_however_many_tables_differ_a_backup_is_read_a_few_times_only(
    engine: str, request: pytest.FixtureRequest, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    made = "".join(
        f"CREATE TABLE tide{number} (id int PRIMARY KEY, a varchar(20));"
        f"INSERT INTO tide{number} VALUES (1, 'low'), (2, 'high'), (3, 'slack');"
        for number in range(12)
    )
    changes = "".join(
        f"UPDATE tide{number} SET a = 'x' WHERE id = 2; DELETE FROM tide{number} WHERE id = 3;" for number in range(12)
    )
    night = tmp_path / "night.sql"
    if engine == "postgresql":
        server: PostgresServer = request.getfixturevalue("postgres")
        server.run_sql("postgres", "CREATE DATABASE quay")
        server.run_sql("quay", made)
        night.write_bytes(server.dump("quay", "--inserts"))
        server.run_sql("quay", changes)
        url = server.address("quay")
    else:
        maria: MariadbServer = request.getfixturevalue("mariadb")
        maria.run_sql("", "CREATE DATABASE quay")
        maria.run_sql("quay", made)
        night.write_bytes(maria.dump("quay"))
        maria.run_sql("quay", changes)
        url = maria.address("quay")
    passes = []
    opened = BackupRows._open

    def counted(side: BackupRows, wants: Wants) -> Opened:
        passes.append(side.name)
        return opened(side, wants)

    monkeypatch.setattr(BackupRows, "_open", counted)
    try:
        run = sospes("compare", night, url, "--json")
    finally:
        if engine == "postgresql":
            server.run_sql("postgres", "DROP DATABASE quay")
        else:
            maria.run_sql("", "DROP DATABASE quay")

    tables = run.document["result"]["tables"]
    assert [(table["changed"], table["only_left"]) for table in tables] == [(1, 1)] * 12
    assert len(passes) <= 6


@pytest.mark.servers
def test_a_whole_server_is_compared_database_by_database(postgres: PostgresServer, tmp_path: Path) -> None:
    for name in ("quay", '"Fleet ""A"""'):
        postgres.run_sql("postgres", f"CREATE DATABASE {name}")
    try:
        for name, rows in (("quay", 30), ('Fleet "A"', 20)):
            postgres.run_sql(
                name, f"CREATE TABLE call AS SELECT g AS id, 'c' || g AS note FROM generate_series(1,{rows}) g"
            )
        night, one = tmp_path / "all.sql", tmp_path / "one.sql"
        night.write_bytes(postgres.dump_cluster())
        one.write_bytes(postgres.dump("quay"))
        url = postgres.address()

        whole = sospes("compare", night, url, "--json")
        counted = {table["database"]: table["same"] for table in whole.document["result"]["tables"]}
        assert whole.code == 0 and counted["quay"] == 30 and counted['Fleet "A"'] == 20

        postgres.run_sql('Fleet "A"', "DELETE FROM call WHERE id = 7")
        lost = sospes("compare", night, url)
        assert lost.code == 3 and 'Fleet "A".public.call: 1 row is missing' in lost.out
        assert "objects" not in lost.out.splitlines()[0]
        assert sospes("compare", night, url, "--database", "quay").code == 0
        asked = sospes("compare", one, url)
        assert asked.code == 2 and "--database NAME" in asked.err
        assert sospes("compare", one, url, "--database", "quay").code == 0
        mended = sospes("mend", night, url, "--out", tmp_path / "mend.sql")
        assert mended.code == 2 and "names no database" in mended.err and not (tmp_path / "mend.sql").exists()
    finally:
        for name in ("quay", '"Fleet ""A"""'):
            postgres.run_sql("postgres", f"DROP DATABASE {name}")


def test_names_and_values_are_kept_apart() -> None:
    """A table that gives up its lines takes no other with it."""
    from sospes.rows.copied import CopySums, lines_batch

    with Path("/dev/null").open("rb+") as file:
        sums = CopySums(lambda _: True, file)
        one, other = Name(None, "public", "boat"), Name(None, "public", "crew")
        for name in (one, other):
            sums.begin(name, ("a",), frozenset())
            sums.add(name, ("a",), lines_batch(b"1\n", 1))
        sums.give_up(one)

        assert not sums.wants(one) and sums.wants(other)
        assert not sums.found[one].plain and sums.found[other].plain

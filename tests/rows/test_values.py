"""What values mean: how they are held, when two of them are the same, what a damaged one does."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest

from sospes.engines.registry import dialect_of
from sospes.model.entries import Engine
from sospes.model.events import Batch, Held, Notation
from sospes.model.types import Hold, Meaning
from sospes.rows.canonical import canonical_of, decimal_text
from sospes.rows.decoding import bytea, held_rows
from sospes.rows.totals import Total
from sospes.rows.writing import csv_lines, json_lines
from sospes.sides.embedded.checks import translated
from sospes.sides.embedded.meaning import same_key
from tests.backups import copy_table, mysql, postgresql
from tests.conftest import INPUTS, sospes, verdict_of


def literal(cell: bytes, notation: Notation, hold: Hold = Hold.TEXT, encoding: str = "utf-8") -> Held:
    """The value of one cell written as a literal."""
    ends = np.array([[len(cell)]])
    batch = Batch(
        notation=notation, data=cell, rows=1, width=1, encoding=encoding, first_row=1, plain_from=0, plain_to=0, line=1,
        starts=np.zeros((1, 1), dtype=np.int64), ends=ends,
    )  # fmt: skip
    bad: list[bytes] = []
    found = list(held_rows(batch, [hold], lambda row, column, raw: bad.append(raw)))
    if bad:
        raise ValueError(bad[0])
    return found[0][0]


@pytest.mark.parametrize(("cell", "hold", "value"), [
    (b"'it''s'", Hold.TEXT, "it's"), (b"NULL", Hold.TEXT, None), (b"''", Hold.TEXT, ""), (b"007", Hold.TEXT, "007"),
    (b"1.50", Hold.TEXT, "1.50"), (b"-0", Hold.TEXT, "-0"), (b"'NaN'", Hold.TEXT, "NaN"), (b"true", Hold.TEXT, "true"),
    (b"'\\x00ff'", Hold.BYTES, b"\x00\xff"), (b"E'a\\'b\\n'", Hold.TEXT, "a'b\n"), (b"'a\\nb'", Hold.TEXT, "a\\nb"),
    (b"B'101'", Hold.TEXT, "101"), (b"-42", Hold.INTEGER, -42), (b"DEFAULT", Hold.TEXT, None), (b" 7 ", Hold.INTEGER, 7),
])  # fmt: skip
def test_postgresql_literals(cell: bytes, hold: Hold, value: Held) -> None:
    assert literal(cell, Notation.POSTGRESQL, hold) == value


@pytest.mark.parametrize(("cell", "hold", "value"), [
    (b"'it\\'s'", Hold.TEXT, "it's"), (b"'it''s'", Hold.TEXT, "it's"), (b"'a\\\\b'", Hold.TEXT, "a\\b"), (b"'\\0\\Z\\n'", Hold.TEXT, "\0\x1a\n"),
    (b"'100\\%'", Hold.TEXT, "100\\%"), (b'"a\\"b""c"', Hold.TEXT, 'a"b"c'), (b"0x00FF", Hold.BYTES, b"\x00\xff"),
    (b"x'4142'", Hold.BYTES, b"AB"), (b"b'101000000111'", Hold.BYTES, b"\x0a\x07"), (b"_binary 'a\\0'", Hold.BYTES, b"a\0"),
    (b"_utf8mb4'x'", Hold.TEXT, "x"), (b"'\xff'", Hold.TEXT, b"\xff"), (b"18446744073709551615", Hold.TEXT, "18446744073709551615"),
    (b"-1e300", Hold.TEXT, "-1e300"), (b"NULL", Hold.INTEGER, None), (b"''", Hold.BYTES, b""),
])  # fmt: skip
def test_mariadb_literals(cell: bytes, hold: Hold, value: Held) -> None:
    assert literal(cell, Notation.MARIADB, hold) == value


@pytest.mark.parametrize(("cell", "value"), [
    (b"'it''s'", "it's"), (b"9223372036854775807", 2**63 - 1), (b"9223372036854775808", "9223372036854775808"), (b"1.5", "1.5"),
    (b"X'00ff'", b"\x00\xff"), (b"NULL", None), (b"9.0e+999", "9.0e+999"), (b"0.10000000000000000555", "0.10000000000000000555"),
    (b"replace('a\\nb','\\n',char(10))", "a\nb"), (b"replace(replace('a\\nb\\r','\\n',char(10)),'\\r',char(13))", "a\nb\r"),
    (b"unistr('a\\u000ab')", "a\nb"),
])  # fmt: skip
def test_sqlite_literals(cell: bytes, value: Held) -> None:
    assert literal(cell, Notation.SQLITE, Hold.ANY) == value


@pytest.mark.parametrize(("cell", "notation", "hold"), [
    (b"1k3", Notation.POSTGRESQL, Hold.TEXT), (b"1.5", Notation.POSTGRESQL, Hold.INTEGER), (b"'\\xZZ'", Notation.POSTGRESQL, Hold.BYTES),
    (b"0xZZ", Notation.MARIADB, Hold.BYTES), (b"NUL", Notation.MARIADB, Hold.TEXT), (b"X'0'", Notation.SQLITE, Hold.ANY),
    (b"12a", Notation.SQLITE, Hold.ANY),
])  # fmt: skip
def test_what_is_no_literal_is_refused(cell: bytes, notation: Notation, hold: Hold) -> None:
    with pytest.raises(ValueError, match=r"."):
        literal(cell, notation, hold)


@pytest.mark.parametrize(
    ("text", "value"), [("\\x00ff", b"\x00\xff"), ("\\x", b""), ("a\\\\b\\001", b"a\\b\x01"), ("plain", b"plain")]
)
def test_bytes_in_both_of_their_forms(text: str, value: bytes) -> None:
    assert bytea(text) == value


@pytest.mark.parametrize(("engine", "text", "hold", "meaning"), [
    (Engine.POSTGRESQL, "bigint", Hold.INTEGER, Meaning.INTEGER), (Engine.POSTGRESQL, "integer[]", Hold.TEXT, Meaning.OTHER),
    (Engine.POSTGRESQL, "numeric(10,2)", Hold.TEXT, Meaning.DECIMAL), (Engine.POSTGRESQL, "double precision", Hold.TEXT, Meaning.FLOAT),
    (Engine.POSTGRESQL, "bytea", Hold.BYTES, Meaning.BYTES), (Engine.POSTGRESQL, "character varying(8)", Hold.TEXT, Meaning.TEXT),
    (Engine.POSTGRESQL, "timestamp(3) with time zone", Hold.TEXT, Meaning.MOMENT), (Engine.POSTGRESQL, "jsonb", Hold.TEXT, Meaning.JSON),
    (Engine.POSTGRESQL, "public.citext", Hold.TEXT, Meaning.FOLDED), (Engine.POSTGRESQL, "interval", Hold.TEXT, Meaning.OTHER),
    (Engine.MARIADB, "int(10) unsigned", Hold.INTEGER, Meaning.INTEGER), (Engine.MARIADB, "bigint(20) unsigned", Hold.TEXT, Meaning.INTEGER),
    (Engine.MARIADB, "varchar(20)", Hold.TEXT, Meaning.FOLDED), (Engine.MARIADB, "varbinary(20)", Hold.BYTES, Meaning.BYTES),
    (Engine.MARIADB, "bit(12)", Hold.BYTES, Meaning.BYTES), (Engine.MARIADB, "decimal(40,10)", Hold.TEXT, Meaning.DECIMAL),
    (Engine.SQLITE, "INTEGER", Hold.ANY, Meaning.DYNAMIC), (Engine.SQLITE, "VARCHAR(20)", Hold.ANY, Meaning.TEXT), (Engine.SQLITE, "", Hold.ANY, Meaning.DYNAMIC),
])  # fmt: skip
def test_types(engine: Engine, text: str, hold: Hold, meaning: Meaning) -> None:
    assert (dialect_of(engine).hold(text), dialect_of(engine).meaning(text, None)) == (hold, meaning)


@pytest.mark.parametrize(("one", "other", "meaning", "same"), [
    ("1.0", "1.00", Meaning.DECIMAL, True), ("1e2", "100", Meaning.DECIMAL, True), ("0", "-0.0", Meaning.DECIMAL, True),
    ("1.0", "1.01", Meaning.DECIMAL, False), ("NaN", "nan", Meaning.DECIMAL, True), ("00012", "12", Meaning.DECIMAL, True),
    ("0.1", "0.10000000000000001", Meaning.FLOAT, True), ("0.1", "0.10000000000000003", Meaning.FLOAT, False),
    ("t", "true", Meaning.BOOLEAN, True), ("t", "f", Meaning.BOOLEAN, False), ("t", 1, Meaning.BOOLEAN, True),
    ('{"a": 1, "b": 2}', '{"b":2,"a":1}', Meaning.JSON, True), ('{"a": 1.0}', '{"a": 1.00}', Meaning.JSON, True),
    ('{"a": 1}', '{"a": "1"}', Meaning.JSON, False), ("[1, 2]", "[2, 1]", Meaning.JSON, False), ("", None, Meaning.TEXT, False),
    ("\\N", None, Meaning.TEXT, False), ("7", 7, Meaning.INTEGER, True), ("\\x4142", b"AB", Meaning.BYTES, True), ("a", "A", Meaning.TEXT, False),
])  # fmt: skip
def test_when_two_values_are_the_same(one: Held, other: Held, meaning: Meaning, same: bool) -> None:
    canonical = canonical_of(meaning)

    assert (canonical(one) == canonical(other)) == same


def test_absurd_exponents_take_no_memory() -> None:
    assert decimal_text("1e999999999") == "1e999999999"
    assert decimal_text("123.4500e-5000") == "12345e-5002"


@pytest.mark.parametrize(("one", "other", "same"), [
    ("Ann", "ann ", True), ("é", "E", True), ("straße", "strasse", True), ("a", "b", False), ("🛟", "🚤", True),
])  # fmt: skip
def test_keys_that_ignore_case_are_held_by_a_coarser_rule(one: str, other: str, same: bool) -> None:
    assert (same_key(one, Meaning.FOLDED) == same_key(other, Meaning.FOLDED)) == same


MEANINGS = {"n": Meaning.INTEGER, "t": Meaning.TEXT, "d": Meaning.DECIMAL, "b": Meaning.BOOLEAN, "f": Meaning.FOLDED}


@pytest.mark.parametrize(("condition", "expected"), [
    ("((n > 0) AND (n <= 10))", '(("n" > 0)) AND'), ("(n IS NOT NULL)", '"n" IS NULL'), ("(t <> ''::text)", "\"t\" <> ''"),
    ("(length((t)::text) <= 8)", 'length("t")'), ("(n BETWEEN 1 AND 5)", "BETWEEN 1 AND 5"), ("b", "IN ('t', 'true')"),
    ("(t = ANY (ARRAY['a'::text]))", None), ("(d > (0)::numeric)", None), ("(t > 'a'::text)", None), ("(t ~ '^x')", None),
    ("(f = 'a'::text)", None), ("(missing > 1)", None), ("((n + 1) > 0)", None), ("((", None),
])  # fmt: skip
def test_conditions_are_translated_only_where_they_mean_the_same(condition: str, expected: str | None) -> None:
    found = translated(condition, Engine.POSTGRESQL, MEANINGS, {name: name for name in MEANINGS})

    assert (found is None) == (expected is None)
    assert expected is None or expected.split(" AND")[0].strip("()") in str(found)


def test_rows_as_files_tell_null_from_empty_text() -> None:
    assert csv_lines([(1, None, "", 'a"b', "x,y", b"\xff")]) == b'1,,"","a""b","x,y",\\xff\r\n'
    assert json_lines(["a", "b", "c"], [(1, None, "1.50")]) == b'{"a": 1, "b": null, "c": "1.50"}\n'


def test_text_that_is_no_text_is_held_as_bytes(tmp_path: Path) -> None:
    rows = b"INSERT INTO `t` VALUES (1,'fine'),(2,'\xff\xfe'),(3,'fine');\n"
    (tmp_path / "a.sql").write_bytes(mysql(b"CREATE TABLE `t` (`id` int, `v` varchar(9));\n" + rows))

    refused = sospes("rehearse", tmp_path / "a.sql", "--json")
    run = sospes("rehearse", tmp_path / "a.sql", "--salvage", "--json")

    assert refused.codes == ["encoding-broken", "table-refused"]
    assert (run.code, run.codes) == (1, ["encoding-broken"])
    assert run.document["result"]["tables"][0]["rows"] == 3


def test_mysql_8_and_its_conditional_comments() -> None:
    backup = INPUTS / "mysql_8.sql"

    document = sospes("verify", backup, "--json").document
    assert (document["verdict"], document["result"]["engine"]) == ("sound", "mysql")
    assert document["result"]["tables"][0]["columns"] == ["my_row_id", "name", "spare", "low", "at", "spot", "kind"]
    assert verdict_of("rehearse", backup) == ("sound", 0)


@pytest.mark.parametrize(("kind", "first", "second", "code"), [
    ("numeric", "1.0", "1.00", "key-repeated"), ("text", "a", "A", None), ("uuid", "a-b", "a-c", None),
    ("double precision", "0", "-0", "key-repeated"), ("interval", "1 day", "24:00:00", None),
])  # fmt: skip
def test_keys_by_the_meaning_of_their_type(
    tmp_path: Path, kind: str, first: str, second: str, code: str | None
) -> None:
    (tmp_path / "a.sql").write_bytes(
        postgresql(copy_table("public.a", [("x", f"{kind} NOT NULL")], [[first], [second]], "x"))
    )

    assert sospes("rehearse", tmp_path / "a.sql", "--json").codes == ([code] if code else [])


@pytest.mark.parametrize(
    ("kind", "sound", "wrong"),
    [
        ("integer[]", "{1,2}", "{1,x}"),
        ("integer ARRAY[4]", "{1}", "1"),
        ("numeric(4,2)[]", "{1.25}", "{tall}"),
    ],
)
def test_arrays_are_known_by_their_dimensions(kind: str, sound: str, wrong: str, tmp_path: Path) -> None:
    night = tmp_path / "night.sql"
    for value, code in ((sound, 0), (wrong, 1)):
        night.write_bytes(postgresql(copy_table("public.tide", [("a", kind)], [[value]])))

        assert sospes("verify", night, "--json").code == code


@pytest.mark.parametrize("kind", ['public."odd [array] type"', 'public."a array"', "integer[3a]", "text[", "array"])
def test_brackets_that_make_no_array_end_in_a_verdict(kind: str, tmp_path: Path) -> None:
    night = tmp_path / "night.sql"
    made = b"CREATE TYPE public.\"odd [array] type\" AS ENUM ('x');\nCREATE TYPE public.\"a array\" AS ENUM ('x');\n"
    night.write_bytes(postgresql(made + copy_table("public.tide", [("a", kind)], [["x"]])))

    run = sospes("verify", night, "--json")

    assert "error inside" not in run.err
    assert run.code == (0 if '"' in kind else run.code)


def test_totals_of_which_values_are_taken_out_and_into_which_others_are_put() -> None:
    whole, gone, new = Total(), Total(), Total()
    whole.add([1, "2.5", None, "NaN", 40])
    gone.add([40, None])
    new.add([7, "0.25", None, None])
    expected = Total()
    expected.add([1, "2.5", "NaN", 7, "0.25", None, None])
    moved = whole.moved(gone, new)
    assert (moved.values, moved.nulls, moved.strange, moved.sum) == (
        expected.values, expected.nulls, expected.strange, expected.sum,
    )  # fmt: skip
    assert moved.sum == "10.75"

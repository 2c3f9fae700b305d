"""Values against their types: nothing that a server writes is faulted, and what no server writes is found."""

from __future__ import annotations

from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from sospes.model.entries import Column, Engine
from sospes.rows.typed.plan import Definitions
from tests.backups import copy_table, mysql, postgresql
from tests.conftest import DUMPS, sospes

GOOD_AND_BAD = [
    ("smallint", "-32768 32767 0", "32768 1o 1.5 --1"),
    ("integer", "-2147483648 2147483647", "2147483648 21474q3647 99999999999"),
    ("bigint", "-9223372036854775808 9223372036854775807", "9223372036854775808 1e3"),
    ("numeric(6,2)", "1.50 -9999.99 0.00 NaN", "12345.00 1,50 1..5"),
    ("numeric", "1e-7 123456789012345678901234567890.5 Infinity -Infinity", "1.5.2 x"),
    ("double precision", "1e-05 -0 NaN Infinity 1.7976931348623157e+308", "1e 1.5f nan?"),
    ("boolean", "t f", "T? 1x y"),
    ("date", "2026-02-28 2024-02-29 infinity -infinity 294276-12-31", "2026-02-29 2026-13-01 2026-00-10 2026-1o-01"),
    ("time without time zone", "23:59:59.999999 24:00:00 00:00:00", "25:00:00 12:60:00 12:00"),
    ("time with time zone", "12:00:00+00 12:00:00.5-03:30", "12:00:00 12:00:00+"),
    ("uuid", "00000000-0000-4000-8000-0000000000bb", "00000000-0000-4000m8000-0000000000bb 0000"),
    ("inet", "10.0.0.1 10.0.0.0/8 ::1 fe80::1/64", "10.0.0.256 10.0.0.*1 :::"),
    ("macaddr", "08:00:2b:01:02:03", "08:00:2b:01:02 08-00-2b"),
    ("json", '{"a":[1,2,null]} "x" 3', '{"a":} {a:1} [1,2'),
    ("integer[]", "{} {1,2,NULL} {{1,2},{3,4}} [0:1]={5,6}", "{1,2 {1,x} 1,2} {1,,2}"),
    ("text[]", '{a,"b c",NULL} {"a\\\\"b"}', '{"a} {a}}'),
    ("bit(3)", "101", "10 1012 102"),
    ("bytea", "\\\\x \\\\x00ff", "\\\\x0 \\\\xzz"),
    ("public.mood", "calm rough", "cblm CALM"),
    ("public.pounds", "1.50", "x"),
]
TYPES = b"CREATE TYPE public.mood AS ENUM (\n    'calm',\n    'rough'\n);\n\n\nCREATE DOMAIN public.pounds AS numeric(8,2)\n\tCONSTRAINT positive CHECK ((VALUE > (0)::numeric));\n\n\n"


@pytest.mark.parametrize(("kind", "good", "bad"), GOOD_AND_BAD, ids=[kind for kind, _, _ in GOOD_AND_BAD])
def test_values_of_postgresql_types(tmp_path: Path, kind: str, good: str, bad: str) -> None:
    split = ['{a,"b c",NULL}', '{"a\\\\"b"}'] if kind == "text[]" else good.split(" ")
    rows = [[value] for value in split] + [["\\N"]]
    (tmp_path / "a.sql").write_bytes(postgresql(TYPES + copy_table("public.a", [("x", kind)], rows)))
    assert sospes("verify", "--values", tmp_path / "a.sql", "--json").codes == []

    for value in bad.split(" "):
        (tmp_path / "a.sql").write_bytes(postgresql(TYPES + copy_table("public.a", [("x", kind)], [*rows, [value]])))
        run = sospes("verify", "--values", tmp_path / "a.sql", "--json")
        assert run.codes == ["value-type"], value
        assert run.document["findings"][0]["place"]["row_from"] == len(rows) + 1


@pytest.mark.parametrize(
    ("kind", "good", "bad"),
    [
        (
            "timestamp with time zone",
            ["2026-02-28 10:00:00+00", "2024-02-29 23:59:59.5-03:30", "0044-03-15 10:00:00+00 BC", "-infinity"],
            ["2026-02-29 10:00:00+00", "2026-02-28 25:00:00+00", "2026-02-28 10:00:00+", "2026-02-28"],
        ),
        (
            "timestamp without time zone",
            ["2026-02-28 10:00:00", "2024-02-29 23:59:59.5"],
            ["2026-02-28 10:00:00+00", "2026-02-30 10:00:00", "2026-02-28 10:60:00"],
        ),
    ],
)
def test_times_with_and_without_a_zone(tmp_path: Path, kind: str, good: list[str], bad: list[str]) -> None:
    night = tmp_path / "a.sql"
    night.write_bytes(postgresql(copy_table("public.a", [("x", kind)], [[value] for value in good])))
    assert sospes("verify", night, "--json").codes == []
    for value in bad:
        night.write_bytes(postgresql(copy_table("public.a", [("x", kind)], [[value]])))
        assert sospes("verify", night, "--json").codes == ["value-type"], value


@pytest.mark.parametrize(
    "stamp", ["2026-02-28 10:00:00", "0044-03-15 10:00:00 BC", "294276-12-31 23:59:59.999999", "infinity"]
)
def test_timestamps(tmp_path: Path, stamp: str) -> None:
    table = copy_table("public.a", [("x", "timestamp without time zone")], [[stamp]])
    (tmp_path / "a.sql").write_bytes(postgresql(table))

    assert sospes("verify", "--values", tmp_path / "a.sql", "--json").codes == []


def test_values_of_mariadb_types(tmp_path: Path) -> None:
    table = (
        b"CREATE TABLE `t` (`a` tinyint(3) unsigned, `b` decimal(5,2), `c` enum('it''s','b'), `d` set('x','y'), "
        b"`e` datetime, `f` varchar(3), `g` year(4), `h` time, `i` int(5) unsigned zerofill);\nINSERT INTO `t` VALUES "
    )
    good = b"(255,-999.99,'it\\'s','x,y','0000-00-00 00:00:00','\xc3\xa4\xc3\xb6\xc3\xbc',2026,'-838:59:59',00042)"
    (tmp_path / "a.sql").write_bytes(mysql(table + good + b",(NULL,NULL,NULL,NULL,NULL,NULL,NULL,NULL,NULL);\n"))
    assert sospes("verify", "--values", tmp_path / "a.sql", "--json").codes == []

    for old, new in ((b"255", b"256"), (b"999.99", b"9999.9"), (b"it\\'s", b"its"), (b"x,y", b"x,z"), (b"2026", b"202"),
                     (b"0000-00-00", b"2026-13-00"), (b"\xc3\xa4", b"ab"), (b"838", b"8388")):  # fmt: skip
        (tmp_path / "a.sql").write_bytes(mysql(table + good.replace(old, new) + b";\n"))
        assert sospes("verify", "--values", tmp_path / "a.sql", "--json").codes == ["value-type"], new


def test_keys_and_references_are_checked_without_a_side_copy(tmp_path: Path) -> None:
    parent = copy_table("public.a", [("x", "integer NOT NULL")], [["1"], ["2"]], "x")
    child = copy_table("public.b", [("x", "integer")], [["1"], ["3"]])
    key = b"ALTER TABLE ONLY public.b\n    ADD CONSTRAINT b_a FOREIGN KEY (x) REFERENCES public.a(x);\n"
    (tmp_path / "a.sql").write_bytes(postgresql(parent + child + key))
    (tmp_path / "b.sql").write_bytes(postgresql(copy_table("public.a", [("x", "text NOT NULL")], [["k"], ["k"]], "x")))

    assert sospes("verify", "--values", tmp_path / "a.sql", "--json").codes == ["reference-broken"]
    assert sospes("verify", "--values", tmp_path / "b.sql", "--json").codes == ["key-repeated"]


def test_values_can_be_kept_out_of_the_output(tmp_path: Path) -> None:
    table = copy_table("public.a", [("x", "integer")], [["secret7"]])
    (tmp_path / "a.sql").write_bytes(postgresql(table))

    assert "secret7" in sospes("verify", "--values", tmp_path / "a.sql").out
    assert "secret7" not in sospes("verify", "--values", "--hide-values", tmp_path / "a.sql").out


@pytest.mark.parametrize("name", sorted(path.name for path in DUMPS.iterdir() if path.name != "README.md"))
def test_no_value_of_a_real_dump_is_faulted(name: str) -> None:
    found = sospes("verify", "--values", DUMPS / name, "--json").document

    assert [item for item in found["findings"] if item["severity"] == "fault"] == []


@given(number=st.integers(-(2**70), 2**70), kind=st.sampled_from(["smallint", "integer", "bigint"]))
def test_integers_by_their_range(number: int, kind: str) -> None:
    planned = Definitions(Engine.POSTGRESQL).planned(Column(name="x", type=kind), copy=True)
    half = 1 << {"smallint": 15, "integer": 31, "bigint": 63}[kind]

    assert planned.kind is not None
    assert planned.kind.valid(str(number).encode()) == (-half <= number < half)

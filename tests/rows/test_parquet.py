"""Tables as Parquet, and back: types are kept, memory is bounded, and what has no place there is refused by name."""

from __future__ import annotations

import json
import tracemalloc
from datetime import UTC, date, datetime
from decimal import Decimal
from pathlib import Path

import pyarrow
import pytest
from pyarrow import parquet

from sospes.model.entries import Column
from sospes.model.types import Hold, Meaning
from sospes.rows.parquet import GROUP_ROWS, ParquetWriter, TypedColumn, parquet_rows
from tests.backups import copy_table, mysql, postgresql
from tests.conftest import DUMPS, sospes

COLUMNS = [
    ("id", "integer NOT NULL"), ("level", "numeric(8,2)"), ("free", "numeric"), ("seen_at", "timestamp with time zone"),
    ("noted", "timestamp without time zone"), ("day", "date"), ("photo", "bytea"), ("done", "boolean"),
    ("speed", "double precision"), ("draught", "real"), ("name", "text"), ("tags", "text[]"), ("more", "jsonb"),
]  # fmt: skip
ROWS = [
    ["1", "3.50", "1.25000000000000000001", "2026-11-01 06:00:00.25+00", "2026-11-01 06:00:00", "2026-11-01",
     "\\\\x00ff41", "t", "0.1", "1.1", "Ada's \"Terns\"", "{a,b}", '{"a": 1}'],
    ["2", *["\\N"] * 12],
    ["3", "-99.99", "0", "1999-12-31 23:59:59+00", "0001-01-01 00:00:00", "9999-12-31", "\\\\x", "f", "-1e300", "0",
     "", "{}", "[]"],
]  # fmt: skip


@pytest.fixture
def night(tmp_path: Path) -> Path:
    path = tmp_path / "night.sql"
    path.write_bytes(postgresql(copy_table("public.tide", COLUMNS, ROWS, "id")))
    return path


def test_types_are_kept(night: Path, tmp_path: Path) -> None:
    out = tmp_path / "tide.parquet"
    document = sospes("extract", night, "tide", "--as", "parquet", "--out", out, "--json").document
    assert document["verdict"] == "sound" and document["result"]["tables"][0]["rows"] == 3
    assert document["result"]["bytes"] == out.stat().st_size

    table = parquet.read_table(out)
    assert [str(kind) for kind in table.schema.types] == [
        "int64", "decimal128(8, 2)", "string", "timestamp[us, tz=UTC]", "timestamp[us]", "date32[day]", "binary",
        "bool", "double", "float", "string", "string", "string",
    ]  # fmt: skip
    first, empty, last = table.to_pylist()
    assert first["level"] == Decimal("3.50") and first["free"] == "1.25000000000000000001"
    assert first["seen_at"] == datetime(2026, 11, 1, 6, 0, 0, 250_000, UTC) and first["photo"] == b"\x00\xffA"
    assert first["day"] == date(2026, 11, 1) and first["done"] is True and first["speed"] == 0.1
    assert [empty[name] for name, _ in COLUMNS[1:]] == [None] * 12
    assert last["name"] == "" and last["photo"] == b""


def test_a_round_trip_is_sound_and_a_change_is_found(night: Path, tmp_path: Path) -> None:
    out = tmp_path / "tide.parquet"
    sospes("extract", night, "tide", "--as", "parquet", "--out", out)
    same = sospes("compare", night, out, "--table", "tide", "--json")
    assert same.document["verdict"] == "sound", same.document["findings"]

    table = parquet.read_table(out).to_pylist()
    table[0]["level"] += Decimal("0.01")
    parquet.write_table(pyarrow.Table.from_pylist(table, schema=parquet.read_schema(out)), tmp_path / "other.parquet")
    changed = sospes("compare", night, tmp_path / "other.parquet", "--table", "tide", "--json")
    assert changed.code == 1 and changed.document["result"]["tables"][0]["changed"] == 1


@pytest.mark.parametrize("path", sorted(path for path in DUMPS.iterdir() if path.suffix != ".md"), ids=lambda p: p.name)
def test_every_table_of_real_dumps_comes_back_or_is_refused_by_name(path: Path, tmp_path: Path) -> None:
    tables = sospes("inspect", path, "--contents", "--json").document["result"]["tables"] or []
    done = 0
    for number, table in enumerate(tables):
        name = ".".join(part for part in (table["schema"] or table["database"], table["name"]) if part)
        out = tmp_path / f"{number}.parquet"
        run = sospes("extract", path, name, "--as", "parquet", "--out", out)
        if run.code:
            words = " ".join(run.err.split())
            refused = run.code == 2 and ("has no place in Parquet's" in words or "no table is called" in words)
            assert refused or run.code == 3, words
            if refused:
                assert not out.exists() and not list(tmp_path.glob(".*part*"))
                continue
        if not table["columns"]:
            continue
        done += 1
        scope = ["--database", table["database"]] if table["database"] else []
        run = sospes("compare", path, out, "--table", name, *scope, "--json")
        document = run.document
        assert run.code in {0, 3} and not [f for f in document["findings"] if f["severity"] == "fault"], name
    assert done or not tables


@pytest.mark.parametrize(
    ("kind", "value"),
    [
        ("numeric(5,1)", "NaN"),
        ("timestamp with time zone", "infinity"),
        ("date", "4713-01-01 BC"),
        ("numeric(3,1)", "1234.5"),
    ],
)
def test_values_without_a_place_are_refused(tmp_path: Path, kind: str, value: str) -> None:
    (tmp_path / "a.sql").write_bytes(postgresql(copy_table("public.a", [("x", kind)], [["\\N"], [value]])))
    run = sospes("extract", tmp_path / "a.sql", "a", "--as", "parquet", "--out", tmp_path / "a.parquet")
    assert run.code == 2 and "has no place in Parquet's" in run.err and "--as csv" in run.err
    assert not (tmp_path / "a.parquet").exists()


def test_the_zero_day_of_mariadb_is_refused(tmp_path: Path) -> None:
    text = mysql(b"CREATE TABLE `a` (`x` date) ENGINE=InnoDB;\nINSERT INTO `a` VALUES ('0000-00-00');\n")
    (tmp_path / "a.sql").write_bytes(text)
    run = sospes("extract", tmp_path / "a.sql", "a", "--as", "parquet", "--out", tmp_path / "a.parquet")
    assert run.code == 2 and "'0000-00-00' of column x" in run.err


def test_memory_is_bounded_by_a_group(tmp_path: Path) -> None:
    column = TypedColumn(Column(name="name", type="text"), Hold.TEXT, Meaning.TEXT)
    rows = [("x" * 1000,)] * 10_000
    with (tmp_path / "a.parquet").open("wb") as file:
        writer = ParquetWriter(file, [column], "a")
        tracemalloc.start()
        for _ in range(30):
            writer.write([(f"{index}{text}",) for index, (text,) in enumerate(rows)])
        peak = tracemalloc.get_traced_memory()[1]
        tracemalloc.stop()
        writer.close()
    found = parquet.ParquetFile(tmp_path / "a.parquet")
    assert found.metadata.num_rows == 300_000 and found.metadata.num_row_groups >= 4
    assert max(found.metadata.row_group(at).num_rows for at in range(found.metadata.num_row_groups)) <= 2 * GROUP_ROWS
    assert peak < 200 << 20


def test_values_of_other_writers_are_understood(tmp_path: Path) -> None:
    table = pyarrow.table(
        {
            "n": pyarrow.array([1, None], pyarrow.uint64()),
            "big": pyarrow.array([2**63, 0], pyarrow.uint64()),
            "at": pyarrow.array([1_000, None], pyarrow.timestamp("ns")),
            "list": pyarrow.array([[1, 2], None], pyarrow.list_(pyarrow.int32())),
            "yes": pyarrow.array([True, False]),
        }
    )
    parquet.write_table(table, tmp_path / "a.parquet")
    assert list(parquet_rows(tmp_path / "a.parquet")) == [
        (1, str(2**63), "1970-01-01 00:00:00.000001", json.dumps([1, 2]), "t"),
        (None, 0, None, None, "f"),
    ]


def test_a_damaged_file_is_told(night: Path, tmp_path: Path) -> None:
    out = tmp_path / "tide.parquet"
    sospes("extract", night, "tide", "--as", "parquet", "--out", out)
    whole = out.read_bytes()
    for damaged in (whole[:-20], whole[:100] + bytes(200) + whole[300:], b"PAR1"):
        out.write_bytes(damaged)
        run = sospes("compare", night, out, "--table", "tide")
        assert run.code in {1, 3} and "inside Sospes" not in run.err, run.err
    (tmp_path / "tide.parquet.gz").write_bytes(__import__("gzip").compress(whole))
    run = sospes("compare", night, tmp_path / "tide.parquet.gz", "--table", "tide")
    assert run.code == 3 and "unpack it first" in run.err


@pytest.mark.parametrize("form", ["csv", "jsonl", "parquet"])
def test_computed_columns_of_a_file_are_no_differences(tmp_path: Path, form: str) -> None:
    """Backups of MariaDB have their values, and so has a file; no restore needs them."""
    name, out = "harbour.boat", tmp_path / f"boat.{form}"
    assert sospes("extract", DUMPS / "mariadb-10.sql", name, "--as", form, "--out", out).code == 0
    run = sospes("compare", DUMPS / "mariadb-10.sql", out, "--table", name, "--json")
    assert run.codes == [] and run.code == 0

"""Differences between two sets of rows, and the causes that are named for them, each with its near miss."""

from __future__ import annotations

import json
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest

from sospes.model.types import Meaning
from sospes.rows.causes import CauseKind, Causes
from sospes.rows.explain import ChangeStatistics
from tests.backups import copy_table, mysql, postgresql
from tests.conftest import sospes, verdict_of

Row = list[str]
COLUMNS = [("id", "integer NOT NULL"), ("status", "text"), ("cost", "numeric(10,2)"), ("note", "text")]


def rows() -> list[Row]:
    """One hundred call-outs."""
    return [[str(n), "open" if n % 3 else "done", f"{n}.50", "" if n % 10 == 0 else f"note {n}"] for n in range(1, 101)]


def script(path: Path, content: list[Row], key: str = "id") -> Path:
    path.write_bytes(postgresql(copy_table("rescue.call_out", COLUMNS, content, key)))
    return path


def compared(tmp_path: Path, left: list[Row], right: list[Row], *options: str, key: str = "id") -> dict[str, Any]:
    run = sospes(
        "compare",
        script(tmp_path / "left.sql", left, key),
        script(tmp_path / "right.sql", right, key),
        "--json",
        *options,
    )
    return run.document


def changed(change: Callable[[Row], Row | None]) -> list[Row]:
    return [row for row in (change(list(row)) for row in rows()) if row is not None]


def with_status(value: str, keep: str = "") -> Callable[[Row], Row]:
    return lambda row: row if row[0] == keep else [row[0], value, *row[2:]]


CAUSES = [
    pytest.param(lambda row: None, "table-gone", 100, id="table-gone"),
    pytest.param(lambda row: row if row[0] == "50" else None, None, 0, id="table-gone-near-miss"),
    pytest.param(with_status("done"), "column-set-everywhere", 67, id="column-set"),
    pytest.param(with_status("done", keep="50"), None, 0, id="column-set-near-miss"),
    pytest.param(
        lambda r: [r[0], "done", r[2], "x" if r[0] == "50" else r[3]],
        "column-set-everywhere",
        67,
        id="column-set-and-more",
    ),
    pytest.param(lambda r: None if 40 <= int(r[0]) < 60 else r, "key-range-missing", 20, id="range"),
    pytest.param(lambda r: None if 40 <= int(r[0]) < 60 and r[0] != "50" else r, None, 0, id="range-near-miss"),
    pytest.param(lambda r: None if int(r[0]) > 90 else r, "key-range-missing", 10, id="range-at-the-end"),
    pytest.param(lambda r: [*r[:3], r[3] or "\\N"], "null-against-empty", 10, id="null-against-empty"),
    pytest.param(lambda r: [*r[:3], r[3] or " "], "trailing-blanks", 10, id="blank-against-empty"),
    pytest.param(lambda r: [*r[:3], r[3] or "?"], None, 0, id="null-against-a-mark"),
    pytest.param(lambda r: [*r[:2], r[2].replace(".50", ""), r[3]], "decimals-rounded", 100, id="rounded"),
    pytest.param(lambda r: [*r[:2], r[2].replace(".50", ".25"), r[3]], None, 0, id="rounded-near-miss"),
    pytest.param(lambda r: [*r[:3], r[3][:6]], "text-cut", 81, id="cut"),
]


@pytest.mark.parametrize(("change", "kind", "count"), CAUSES)
def test_causes_and_their_near_misses(
    tmp_path: Path, change: Callable[[Row], Row | None], kind: str | None, count: int
) -> None:
    table = compared(tmp_path, rows(), changed(change))["result"]["tables"][0]

    found = {cause["kind"]: cause for cause in table["explanations"]}
    if kind is None:
        assert not found
    else:
        assert list(found) == [kind]
        assert (found[kind]["rows"], found[kind]["share"]) == (count, 1.0)


def test_a_column_in_every_row_means_every_row(tmp_path: Path) -> None:
    """Only some rows got the value: the rest of the table has others, so it was not set everywhere."""
    table = compared(tmp_path, rows(), changed(lambda r: [r[0], "lost", *r[2:]] if int(r[0]) < 30 else r))

    assert table["result"]["tables"][0]["explanations"] == []


DAMAGED = [
    ("Skårholm", "SkÃ¥rholm", Meaning.TEXT, CauseKind.CHARACTERS, "UTF-8 was read as Windows-1252 on the right"),
    ("SkÃ¥rholm", "Skårholm", Meaning.TEXT, CauseKind.CHARACTERS, "UTF-8 was read as Windows-1252 on the left"),
    ("Skårholm", "SkÃƒÂ¥rholm", Meaning.TEXT, CauseKind.CHARACTERS, "UTF-8 was twice read as Windows-1252 on the right"),
    ("Skårholm", "Sk?rholm", Meaning.TEXT, CauseKind.CHARACTERS, "letters outside of ASCII are replaced on the right"),
    ("Skårholm", "Sk??rholm", Meaning.TEXT, CauseKind.CHARACTERS, "letters outside of ASCII are replaced on the right"),
    ("čaj", "èaj", Meaning.TEXT, CauseKind.CHARACTERS, "Windows-1250 was read as Windows-1252 on the right"),
    ("Skårholm", "Skarholm", Meaning.TEXT, None, ""),
    ("2026-11-22 01:04:05+00", "2026-11-22 03:04:05+00", Meaning.MOMENT, CauseKind.SHIFTED, "2 hours later on the right"),
    ("2026-11-22 00:30:00", "2026-11-21 23:30:00", Meaning.STAMP, CauseKind.SHIFTED, "1 hour earlier on the right"),
    ("2026-11-22 00:30:00", "2026-11-22 01:31:00", Meaning.STAMP, None, ""),
    ("2026-11-22 00:30:00", "2026-11-25 00:30:00", Meaning.STAMP, None, ""),
    ("2026-11-22 00:30:00.678", "2026-11-22 00:30:01", Meaning.STAMP, CauseKind.TIMES_ROUNDED, "on the right"),
    ("1.505", "1.51", Meaning.DECIMAL, CauseKind.ROUNDED, "on the right"),
    ("1.505", "1.5", Meaning.DECIMAL, CauseKind.ROUNDED, "on the right"),
    ("1.5", "1.499", Meaning.DECIMAL, CauseKind.ROUNDED, "on the left"),
    ("1.505", "1.52", Meaning.DECIMAL, None, ""),
    ("nan", "1.5", Meaning.DECIMAL, None, ""),
    ("pier  ", "pier", Meaning.TEXT, CauseKind.BLANKS, "are lost on the right"),
    ("pier", "pie", Meaning.TEXT, CauseKind.CUT, "to 3 characters on the right"),
    ("pier", "", Meaning.TEXT, None, ""),
    ("pier", "\\N", Meaning.TEXT, None, ""),
]  # fmt: skip


@pytest.mark.parametrize(("left", "right", "meaning", "kind", "words"), DAMAGED)
def test_what_became_of_a_value(left: str, right: str, meaning: Meaning, kind: CauseKind | None, words: str) -> None:
    found = Causes().of(left.encode(), right.encode(), meaning)

    assert (found and found.kind, found.words if found else "") == (kind, words)


def test_a_row_with_one_unexplained_cell_is_not_claimed() -> None:
    statistics = ChangeStatistics(("name", "cost"), (Meaning.TEXT, Meaning.DECIMAL))
    statistics.add([b"pier ", b"1.505"], [b"pier", b"1.5"], [0, 1])
    statistics.add([b"pier ", b"1.505"], [b"pier", b"7"], [0, 1])

    assert [(cause.kind, found.rows) for cause, found in statistics.causes.items()] == [
        (CauseKind.BLANKS, 1), (CauseKind.ROUNDED, 1),
    ]  # fmt: skip


def test_a_range_of_times_is_named_where_the_keys_have_gaps(tmp_path: Path) -> None:
    columns = [("id", "integer NOT NULL"), ("began", "timestamp without time zone")]
    rows = [[str(n * 37 % 101), f"2026-11-{1 + n // 10:02} {n % 10:02}:00:00"] for n in range(1, 101)]
    for name, content in (("left", rows), ("right", [row for row in rows if not "2026-11-04" < row[1] < "2026-11-06"])):
        (tmp_path / f"{name}.sql").write_bytes(postgresql(copy_table("rescue.call_out", columns, content, "id")))
    [table] = sospes("compare", tmp_path / "left.sql", tmp_path / "right.sql", "--json").document["result"]["tables"]

    assert [cause["sentence"] for cause in table["explanations"]] == [
        "a contiguous range of 20 times is missing, column began, 2026-11-04 00:00:00 to 2026-11-05 09:00:00"
    ]


def test_counts_columns_and_totals(tmp_path: Path) -> None:
    right = rows()[5:]
    right[0][2] = "1000.00"
    right.append(["999", "new", "0.01", "\\N"])

    document = compared(tmp_path, rows(), right)

    table = document["result"]["tables"][0]
    assert document["verdict"] == "unsound"
    assert (table["left_rows"], table["right_rows"], table["same"]) == (100, 96, 94)
    assert (table["only_left"], table["only_right"], table["changed"]) == (5, 1, 1)
    assert table["columns_changed"] == {"cost": 1}
    cost = next(total for total in table["totals"] if total["column"] == "cost")
    assert (cost["left_sum"], cost["right_sum"], cost["same"]) == ("5100.00", "6076.01", False)
    kinds = {(item["kind"], item["key"]) for item in document["result"]["differences"]}
    assert {("changed", "6"), ("only-right", "999"), ("only-left", "1")} <= kinds
    assert [item["columns"] for item in document["result"]["differences"] if item["kind"] == "changed"] == [
        [{"name": "cost", "left": "6.5", "right": "1000"}]
    ]
    assert set(document["evidence"]) == {"present", "identified"}


def test_doubled_rows_show_and_order_does_not(tmp_path: Path) -> None:
    doubled = [*rows(), rows()[3]]
    table = compared(tmp_path, rows(), doubled, key="")["result"]["tables"][0]
    assert (table["same"], table["only_right"], table["key"]) == (100, 1, [])

    assert compared(tmp_path, rows(), rows()[::-1], key="")["verdict"] == "sound"
    swapped = rows()
    swapped[1] = swapped[0]
    table = compared(tmp_path, [*rows(), rows()[0]], [*swapped, rows()[0]], key="")["result"]["tables"][0]
    assert (table["only_left"], table["only_right"]) == (1, 1)


def test_options_that_bend_the_comparison(tmp_path: Path) -> None:
    right = [[row[0], row[1], f"{int(row[0])}.51", row[3]] for row in rows()]

    assert compared(tmp_path, rows(), right)["verdict"] == "unsound"
    assert compared(tmp_path, rows(), right, "--ignore", "cost")["verdict"] == "sound"
    assert compared(tmp_path, rows(), right, "--within", "cost=0.01")["verdict"] == "sound"
    assert compared(tmp_path, rows(), right, "--within", "cost=0.009")["verdict"] == "unsound"
    assert len(compared(tmp_path, rows(), right, "--limit", "7")["result"]["differences"]) == 7
    by_status = compared(tmp_path, rows(), right, "--key", "note,status", "--ignore", "id")["result"]["tables"][0]
    assert by_status["key"] == ["note", "status"]
    assert sospes("compare", tmp_path / "left.sql", tmp_path / "right.sql", "--key", "nothing").code == 2
    assert sospes("compare", tmp_path / "left.sql", tmp_path / "right.sql", "--ignore", "nothing").code == 2


def test_hidden_values_appear_nowhere(tmp_path: Path) -> None:
    secret = [[row[0], "done", row[2], f"secret of {row[0]}"] for row in rows()]
    left, right = script(tmp_path / "left.sql", secret), script(tmp_path / "right.sql", rows())

    for words in (["--json"], []):
        run = sospes("compare", left, right, "--hide-values", *words)
        assert run.code == 1
        assert "secret" not in run.out + run.err
        assert "note 7" not in run.out
    everywhere = script(tmp_path / "all.sql", [[row[0], "secret", *row[2:]] for row in rows()])
    assert "'secret'" not in sospes("compare", right, everywhere, "--hide-values").out


@pytest.mark.parametrize(("one", "other", "same"), [
    ("1.50", "1.5", True), ("1.50", "1.51", False), ("NaN", "NaN", True), ("-0.00", "0", True), ("1e2", "100.0", True),
    ("\\N", "0", False),
])  # fmt: skip
def test_numbers_compare_by_value(tmp_path: Path, one: str, other: str, same: bool) -> None:
    document = compared(tmp_path, [["1", "a", one, "b"]], [["1", "a", other, "b"]])

    assert (document["verdict"] == "sound") == same


def test_rows_against_files(tmp_path: Path) -> None:
    night = script(tmp_path / "night.sql", rows())
    for form in ("csv", "jsonl"):
        out = tmp_path / f"rows.{form}"
        assert sospes("extract", night, "call_out", "--as", form, "--out", out).code == 0
        assert verdict_of("compare", night, out, "--table", "rescue.call_out") == ("sound", 0)
        assert verdict_of("compare", out, night) == ("sound", 0)

    text = (tmp_path / "rows.csv").read_text()
    assert '10,open,10.50,""\n' in text.replace("\r", "")
    (tmp_path / "rows.csv").write_text(text.replace('10.50,""', "10.50,"))
    table = sospes("compare", night, tmp_path / "rows.csv", "--json").document["result"]["tables"][0]
    assert [cause["kind"] for cause in table["explanations"]] == ["null-against-empty"]

    (tmp_path / "bad.csv").write_text("id,status,cost,note\n1,open\n")
    assert sospes("compare", night, tmp_path / "bad.csv").code == 3
    (tmp_path / "tabs.tsv").write_text(
        "id\tstatus\tcost\tnote\n" + "".join("\t".join(row) + "\n" for row in rows() if row[3])
    )
    table = sospes("compare", night, tmp_path / "tabs.tsv", "--json").document["result"]["tables"][0]
    assert (table["same"], table["only_left"]) == (90, 10)


def test_a_file_of_rows_needs_to_know_its_table(tmp_path: Path) -> None:
    two = copy_table("public.a", [("x", "integer")], [["1"]]) + copy_table("public.b", [("x", "integer")], [["1"]])
    (tmp_path / "two.sql").write_bytes(postgresql(two))
    (tmp_path / "x.jsonl").write_text(json.dumps({"x": 1}) + "\n")

    assert sospes("compare", tmp_path / "two.sql", tmp_path / "x.jsonl").code == 2
    assert sospes("compare", tmp_path / "two.sql", tmp_path / "x.jsonl", "--table", "b").code == 0


def test_tables_and_columns_on_one_side_only(tmp_path: Path) -> None:
    two = copy_table("public.a", [("x", "integer"), ("y", "text")], [["1", "b"]]) + copy_table(
        "public.b", [("x", "integer")], []
    )
    (tmp_path / "left.sql").write_bytes(postgresql(two))
    (tmp_path / "right.sql").write_bytes(postgresql(copy_table("public.a", [("x", "integer")], [["1"]])))

    run = sospes("compare", tmp_path / "left.sql", tmp_path / "right.sql", "--json")

    assert (run.code, sorted(run.codes)) == (1, ["column-missing", "table-missing"])
    assert verdict_of("compare", tmp_path / "left.sql", tmp_path / "right.sql", "--table", "a", "--ignore", "y") == (
        "sound",
        0,
    )


def test_rows_of_two_engines(tmp_path: Path) -> None:
    body = (
        b"CREATE TABLE `call_out` (`id` int, `status` text, `cost` decimal(10,2), `note` text, PRIMARY KEY (`id`));\n"
    )
    values = ",".join(f"({r[0]},'{r[1]}',{r[2]},'{r[3]}')" for r in rows())
    (tmp_path / "maria.sql").write_bytes(mysql(body + f"INSERT INTO `call_out` VALUES {values};\n".encode()))

    run = sospes("compare", tmp_path / "maria.sql", script(tmp_path / "right.sql", rows()), "--json")

    assert (run.code, run.document["result"]["tables"][0]["same"]) == (0, 100)


def test_damage_on_one_side_is_told_apart_from_differences(tmp_path: Path) -> None:
    left = script(tmp_path / "left.sql", rows())
    text = left.read_bytes()
    (tmp_path / "cut.sql").write_bytes(text[: text.index(b"60\t")])

    run = sospes("compare", left, tmp_path / "cut.sql", "--json")

    assert run.code == 1
    assert any(item["message"].startswith("right side:") for item in run.document["findings"])


def test_a_cut_side_is_told_of_once_with_its_row(tmp_path: Path) -> None:
    content = rows()
    tables = [copy_table(f"rescue.{name}", COLUMNS, content, "id") for name in ("call_out", "boat")]
    text = postgresql(b"".join(tables))
    (tmp_path / "whole.sql").write_bytes(text)
    (tmp_path / "cut.sql").write_bytes(text[: text.index(b"\n50\t") + 4])
    for first, second in (("whole.sql", "cut.sql"), ("cut.sql", "whole.sql")):
        findings = sospes("compare", tmp_path / first, tmp_path / second, "--json").document["findings"]
        assert [item["place"]["row_from"] for item in findings if item["code"] == "truncated"] == [50]


def test_documents_are_shown_as_documents(tmp_path: Path) -> None:
    for name, document in (("l", '{"a": 1.50, "b": [2]}'), ("r", '{"a": 1.5, "b": [3]}')):
        table = copy_table("public.t", [("id", "integer NOT NULL"), ("d", "jsonb")], [["1", document]], "id")
        (tmp_path / f"{name}.sql").write_bytes(postgresql(table))

    [found] = sospes("compare", tmp_path / "l.sql", tmp_path / "r.sql", "--json").document["result"]["differences"]

    assert found["columns"] == [{"name": "d", "left": '{"a": 1.5, "b": [2]}', "right": '{"a": 1.5, "b": [3]}'}]


def _tide(folder: Path, name: str, rows: list[list[str]]) -> Path:
    columns = [("id", "integer NOT NULL"), ("gauge", "integer"), ("height", "numeric(6,3)"), ("note", "text")]
    (folder / name).write_bytes(postgresql(copy_table("public.tide", columns, rows, "id")))
    return folder / name


def test_only_odd_lines_are_looked_at_and_the_whole_is_counted(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """With odd chunks set aside, with none, and with a second process that reads the right side."""
    rows = [[str(row), str(row % 7), f"{row % 13}.250", "calm\\tswell" if row % 3 else "\\N"] for row in range(1, 3001)]
    changed = [list(row) for row in rows if not 1000 <= int(row[0]) < 1100]
    changed[5][3] = "storm"
    changed[6][2] = "7.25"  # the same number, written otherwise
    changed.append(["9999", "1", "0.000", "late"])
    left, right = _tide(tmp_path, "left.sql", rows), _tide(tmp_path, "right.sql", list(reversed(changed)))
    for aside, process_at in ((1 << 20, 1 << 40), (0, 1 << 40), (1 << 20, 0)):
        monkeypatch.setattr("sospes.work.compare.lines.MOST_ASIDE", aside)
        monkeypatch.setattr("sospes.work.compare.sides.opening.SECOND_PROCESS_AT", process_at)
        [table] = sospes("compare", left, right, "--json").document["result"]["tables"]
        counts = [table[key] for key in ("left_rows", "right_rows", "same", "only_left", "only_right", "changed")]
        assert counts == [3000, 2901, 2899, 100, 1, 1]
        assert table["columns_changed"] == {"note": 1}
        assert any("contiguous range of 100 keys" in cause["sentence"] for cause in table["explanations"])
        sums = {total["column"]: (total["left_sum"], total["right_sum"]) for total in table["totals"]}
        assert sums["id"] == (str(3000 * 3001 // 2), str(3000 * 3001 // 2 - sum(range(1000, 1100)) + 9999))
        assert sospes("compare", left, left, "--json").document["verdict"] == "sound"


def test_a_range_with_gaps_is_not_called_contiguous(tmp_path: Path) -> None:
    rows = [[str(row), "1", "1.000", "calm"] for row in range(1, 201)]
    left = _tide(tmp_path, "left.sql", rows)
    right = _tide(tmp_path, "right.sql", [row for row in rows if int(row[0]) % 2])
    [table] = sospes("compare", left, right, "--json").document["result"]["tables"]
    assert table["only_left"] == 100
    assert not any("contiguous" in cause["sentence"] for cause in table["explanations"])


def test_one_value_in_every_row_is_seen_beside_rows_that_had_it(tmp_path: Path) -> None:
    rows = [[str(row), "1", "1.000", "calm" if row % 2 else "storm"] for row in range(1, 101)]
    left = _tide(tmp_path, "left.sql", rows)
    right = _tide(tmp_path, "right.sql", [[*row[:3], "calm"] for row in rows])
    [table] = sospes("compare", left, right, "--json").document["result"]["tables"]
    assert table["changed"] == 50
    assert any("note" in cause["sentence"] and "calm" in cause["sentence"] for cause in table["explanations"])


def test_exact_text_and_wanted_totals(tmp_path: Path) -> None:
    left = _tide(tmp_path, "left.sql", [["1", "1", "1.500", "calm"], ["2", "1", "0.250", "calm"]])
    right = _tide(tmp_path, "right.sql", [["1", "1", "1.5", "calm"], ["2", "1", "0.250", "calm"]])

    assert verdict_of("compare", left, right) == ("sound", 0)
    assert verdict_of("compare", "--exact", left, right) == ("unsound", 1)
    shown = sospes("compare", "--total", "tide.height", left, right)
    [line] = [line for line in shown.out.splitlines() if "public.tide.height" in line]
    assert line.split() == ["public.tide.height", "1.750", "1.750", "agree"] and "tide.gauge" not in shown.out
    assert sospes("compare", "--total", "tide.note", left, right).code == 2
    assert sospes("compare", "--total", "tide.height", "--exact", left, right).code == 2


def _one_column(folder: Path, name: str, engine: str, kind: str, values: list[str]) -> Path:
    """A table with a key and one column of values, as a script of an engine."""
    if engine == "postgresql":
        rows = [[str(number), value] for number, value in enumerate(values)]
        text = postgresql(copy_table("public.gauge", [("id", "integer NOT NULL"), ("seen", kind)], rows, "id"))
    else:
        tuples = ",".join(f"({number},'{value}')" for number, value in enumerate(values))
        made = f"CREATE TABLE `gauge` (`id` int NOT NULL, `seen` {kind}, PRIMARY KEY (`id`)) ENGINE=InnoDB;\n"
        text = mysql(f"{made}INSERT INTO `gauge` VALUES {tuples};\n".encode())
    (folder / name).write_bytes(text)
    return folder / name


SAME = [
    ("postgresql", "character(6)", ["ab    ", "cd    "], "mariadb", "char(6)", ["ab", "cd"]),
    ("postgresql", "timestamp with time zone", ["2026-11-22 01:00:00.5+00", "2026-11-22 03:00:00+02"],
     "mariadb", "timestamp(6)", ["2026-11-22 01:00:00.500000", "2026-11-22 01:00:00.000000"]),
    ("postgresql", "timestamp without time zone", ["2026-11-22 01:00:00"], "mariadb", "datetime(3)", ["2026-11-22 01:00:00.000"]),
    ("postgresql", "numeric(12,3)", ["1.500"], "mariadb", "double", ["1.5"]),
    ("postgresql", "boolean", ["t", "f"], "mariadb", "tinyint(1)", ["1", "0"]),
    ("postgresql", "jsonb", ['{"a": 1, "b": 2}'], "mariadb", "json", ['{"b":2,"a":1.0}']),
]  # fmt: skip
UNLIKE = [
    ("postgresql", "character(6)", ["ab    "], "mariadb", "char(6)", [" ab"]),
    ("postgresql", "timestamp with time zone", ["2026-11-22 03:00:00+02"], "mariadb", "timestamp", ["2026-11-22 03:00:00"]),
    ("postgresql", "numeric(20,0)", ["9007199254740993"], "mariadb", "double", ["9007199254740992"]),
    ("postgresql", "bigint", ["9007199254740993"], "mariadb", "double", ["9007199254740992"]),
]  # fmt: skip


@pytest.mark.parametrize(("code", "case"), [*((0, case) for case in SAME), *((1, case) for case in UNLIKE)])
def test_values_compare_by_meaning_across_engines(
    tmp_path: Path, code: int, case: tuple[str, str, list[str], str, str, list[str]]
) -> None:
    left = _one_column(tmp_path, "left.sql", *case[:3])
    right = _one_column(tmp_path, "right.sql", *case[3:])

    run = sospes("compare", left, right, "--json")

    assert run.code == code, run.document["findings"]
    assert (run.document["result"]["tables"][0]["changed"] == 0) == (code == 0)


def test_large_integers_of_sqlite_are_told_apart(tmp_path: Path) -> None:
    text = "BEGIN TRANSACTION;\nCREATE TABLE gauge (id INTEGER PRIMARY KEY, height NUMERIC);\n"
    for name, value in (("left.sql", "9007199254740993"), ("right.sql", "9007199254740992")):
        (tmp_path / name).write_text(f"PRAGMA foreign_keys=OFF;\n{text}INSERT INTO gauge VALUES(1,{value});\nCOMMIT;\n")

    assert sospes("compare", tmp_path / "left.sql", tmp_path / "right.sql").code == 1
    assert sospes("compare", tmp_path / "left.sql", tmp_path / "left.sql").code == 0


@pytest.mark.parametrize(("words", "code"), [("'AB', 'CD'", 0), ("'AB', 'XY'", 1)])
def test_a_check_on_filled_up_text_holds_without_its_blanks(tmp_path: Path, words: str, code: int) -> None:
    columns = [("id", "integer NOT NULL"), ("code", "character(5)")]
    table = copy_table("public.kit", columns, [["1", "AB   "], ["2", "CD   "]], "id")
    check = f"ALTER TABLE public.kit ADD CONSTRAINT known CHECK ((code IN ({words})));\n\n"
    (tmp_path / "kit.sql").write_bytes(postgresql(table + check.encode()))

    run = sospes("rehearse", tmp_path / "kit.sql", "--json")

    assert (run.code, run.document["result"]["not_rehearsed"]) == (code, [])

"""Known figures and seals as what the rows should be."""

from __future__ import annotations

from pathlib import Path

import pytest

from sospes.work.compare.figures import Bounds, read_figures
from tests.backups import copy_table, postgresql
from tests.conftest import sospes
from tests.servers import MariadbServer, PostgresServer

COLUMNS = [
    ("id", "integer NOT NULL"),
    ("cost", "numeric(9,2)"),
    ("began", "timestamp with time zone"),
    ("name", "text"),
]
ROWS = [
    ["1", "10.50", "2026-11-22 01:00:00+00", "Skarholm"],
    ["2", "0.25", "2026-11-22 04:30:00+03", "Skarholm pier"],
    ["3", "\\N", "infinity", "\\N"],
]


def _backup(folder: Path, rows: list[list[str]] = ROWS) -> Path:
    path = folder / "night.sql"
    path.write_bytes(postgresql(copy_table("public.call_out", COLUMNS, rows, "id")))
    return path


def _figures(folder: Path, *lines: str) -> Path:
    path = folder / "figures.toml"
    path.write_text("".join(f"[[figure]]\n{line}\n" for line in lines))
    return path


def _states(*words: str | Path) -> list[tuple[str | None, str]]:
    document = sospes("compare", *words, "--json").document
    return [(item["found"], item["state"]) for item in document["result"]["figures"]]


def test_figures_of_all_kinds_hold_or_differ(tmp_path: Path) -> None:
    figures = _figures(
        tmp_path,
        'table = "call_out"\nrows = 3',
        'table = "public.call_out"\nrows = { least = 4 }',
        'table = "call_out"\ncolumn = "cost"\nsum = 10.750',
        'table = "call_out"\ncolumn = "cost"\nsum = { least = "10.76", most = 11 }',
        'table = "call_out"\ncolumn = "began"\nnewest = "2026-11-22 01:30:00+00"',
        'table = "call_out"\ncolumn = "began"\nnewest-within-hours = 2',
        'table = "call_out"\ncolumn = "name"\nkey = { id = 2 }\nvalue = "Skarholm pier"',
        'table = "call_out"\ncolumn = "name"\nkey = { id = 3 }\nvalue = "NULL"',
        'table = "call_out"\ncolumn = "name"\nkey = { id = 9 }\nvalue = "x"',
        'sql = "SELECT 1"\nvalue = 1',
    )
    found = _states(_backup(tmp_path), figures, "--written-at", "2026-11-22T03:00:00+00:00")
    assert found == [
        ("3", "holds"), ("3", "differs"), ("10.75", "holds"), ("10.75", "differs"),
        ("2026-11-22 01:30:00+00", "holds"), ("1.50", "holds"), ("Skarholm pier", "holds"), ("NULL", "holds"),
        ("no such row", "differs"), (None, "undecided"),
    ]  # fmt: skip
    run = sospes("compare", _backup(tmp_path), figures, "--json")
    assert run.code == 1 and set(run.codes) == {"figure-differs", "figure-undecided"}


def test_queries_are_asked_of_a_side_copy(tmp_path: Path) -> None:
    backup = _backup(tmp_path)
    kept = sospes("rehearse", backup, "--keep", "--work-folder", tmp_path, "--json").document["result"]["side"][
        "location"
    ]
    figures = _figures(
        tmp_path, "sql = 'SELECT count(*) FROM \"public.call_out\"'\nvalue = 3", 'sql = "SELECT 1"\nvalue = 2'
    )
    assert _states(kept, figures) == [("3", "holds"), ("1", "differs")]
    assert sospes("compare", kept, _figures(tmp_path, 'sql = "DROP TABLE x"\nvalue = 1')).code == 2


@pytest.mark.servers
def test_figures_of_live_databases(postgres: PostgresServer, mariadb: MariadbServer, tmp_path: Path) -> None:
    figures = _figures(
        tmp_path,
        'table = "seed"\nrows = 3',
        'sql = "SELECT max(id) FROM seed_lot"\nvalue = { least = 50 }',
        'sql = "SELECT NULL"\nvalue = "NULL"',
    )
    left = mariadb.address("harbour")
    assert [state for _, state in _states(left, figures)] == ["holds"] * 3
    other = postgres.address("harbour")
    changing = _figures(tmp_path, 'sql = "DELETE FROM public.seed"\nvalue = 1')
    run = sospes("compare", other, changing)
    assert run.code == 2 and "read-only transaction" in run.err


@pytest.mark.parametrize(
    ("lines", "said"),
    [
        ('table = "call_out"', "must have one of"),
        ('table = "call_out"\nrows = 1\nsum = 1', "must have one of"),
        ('table = "call_out"\nsum = 1', "must name a column"),
        ('table = "call_out"\ncolumn = "x"\nrows = 1', "no column"),
        ('table = "call_out"\nrows = [1]', "a list"),
        ('table = "call_out"\nrows = { about = 3 }', "unknown key 'about'"),
        ('table = "call_out"\ncolumn = "x"\nvalue = 1', "key"),
        ('sql = "SELECT 1"\nrows = 1', "sql and its value"),
        ('tabel = "call_out"\nrows = 1', "unknown key 'tabel'"),
        ("rows = ", "not valid TOML"),
    ],
)
def test_a_file_that_says_what_nobody_knows(tmp_path: Path, lines: str, said: str) -> None:
    run = sospes("compare", _backup(tmp_path), _figures(tmp_path, lines))
    assert run.code == 2 and said in run.err


def test_names_that_are_not_there(tmp_path: Path) -> None:
    backup = _backup(tmp_path)
    assert sospes("compare", backup, _figures(tmp_path, 'table = "boat"\nrows = 1')).code == 2
    run = sospes("compare", backup, _figures(tmp_path, 'table = "call_out"\ncolumn = "price"\nsum = 1'))
    assert run.code == 2 and "it has: id, cost" in run.err
    (tmp_path / "empty.toml").write_text("")
    assert sospes("compare", backup, tmp_path / "empty.toml").code == 2


def test_a_seal_drafts_figures_that_hold_and_is_what_rows_should_be(tmp_path: Path) -> None:
    backup = _backup(tmp_path)
    draft = tmp_path / "draft.toml"
    assert sospes("seal", backup, "--draft-figures", draft).code == 0
    assert sospes("seal", backup, "--overwrite", "--draft-figures", draft).code == 2, "figures are never overwritten"
    assert [figure.measure for figure in read_figures(draft)] == ["rows", "sum", "sum"], "infinity is no newest time"
    assert {state for _, state in _states(backup, draft)} == {"holds"}

    night = tmp_path / "night.sql.seal"
    assert sospes("compare", backup, night, "--json").document["verdict"] == "sound"
    _backup(tmp_path, [*ROWS[:2], ["3", "\\N", "infinity", "x"]])
    changed = sospes("compare", backup, night, "--json")
    assert changed.codes == ["rows-changed"] and changed.code == 1
    _backup(tmp_path, ROWS[:2])
    assert set(sospes("compare", backup, night, "--json").codes) == {"figure-differs"}
    night.write_bytes(night.read_bytes()[:-40])
    assert sospes("compare", backup, night).code == 3


def test_bounds_compare_numbers_by_value_and_times_as_text() -> None:
    assert Bounds("9", "10").holds("9.50") and not Bounds("9", "10").holds("10.01")
    assert Bounds("2026-01-01", None).holds("2026-03-01 00:00:00") and not Bounds(None, "2025").holds("2026")
    assert (Bounds("1", "1").words, Bounds("1", None).words, Bounds(None, "2").words) == (
        "1",
        "at least 1",
        "at most 2",
    )

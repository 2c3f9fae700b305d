"""Every sound backup of the corpus is called sound by every command, and every row of it is counted."""

from __future__ import annotations

import os
from collections import defaultdict
from collections.abc import Iterable
from pathlib import Path
from typing import Any

import pytest

from tests.conftest import sospes
from tests.corpus import BACKUPS, Backup

pytestmark = pytest.mark.servers
EACH = pytest.mark.parametrize("backup", [pytest.param(backup, id=backup.name) for backup in BACKUPS])
DOES_NOT_LOAD = ("check_view", "overlaps_replace")
"""Whole, but refused by the very server that wrote them: that is a finding about the backup."""
_NOT_OURS = frozenset({"view", "materialized view", "foreign", "virtual", "shadow"})


def _worse_than_notes(document: dict[str, Any]) -> list[tuple[str, str]]:
    return [(item["code"], item["message"]) for item in document["findings"] if item["severity"] != "note"]


def _expected(backup: Backup) -> list[str]:
    return [] if backup.says_that_it_is_whole else ["completeness-unknown"]


def test_the_corpus_is_there_where_servers_are_required() -> None:
    beside = Path(__file__).parents[3] / "shared" / "corpus"
    if not beside.is_dir() or not os.environ.get("SOSPES_SERVERS_REQUIRED"):
        pytest.skip("SOSPES_CORPUS names no folder of backups to try")
    assert len(BACKUPS) > 80


@EACH
def test_it_is_called_sound_and_every_row_is_counted(backup: Backup) -> None:
    document = sospes("verify", backup.path, "--json").document

    assert [code for code, _ in _worse_than_notes(document)] == _expected(backup), _worse_than_notes(document)
    assert not list(_miscounted(backup, document["result"]["tables"]))


def _miscounted(backup: Backup, tables: list[dict[str, Any]]) -> Iterable[str]:
    without = set(backup.facts.get("tables_without_data", ()))
    only = set(backup.facts.get("only_tables", ()))
    if any(word in backup.name for word in ("partition_root", "post-data", "history")):
        return  # rows of partitions stand under their root, there are no tables, or old rows are there as well
    for state in backup.states:
        for label, truth in state.get("tables", {}).items():
            if truth.get("kind") in _NOT_OURS or "rows" not in truth or (only and label not in only):
                continue
            rows = truth["rows"] if backup.facts.get("has_data", True) and label not in without else 0
            found = [
                table["rows"]
                for table in tables
                if table["name"] == truth["name"]
                and table["schema"] in {None, truth.get("schema")}
                and (len(backup.states) == 1 or table["database"] in {None, state.get("database")})
            ]
            if rows not in found and (rows or found) and not label.startswith("sqlite_"):
                yield f"{label}: {rows} rows, counted {found}"


@EACH
def test_every_value_is_of_its_type(backup: Backup) -> None:
    document = sospes("verify", "--values", backup.path, "--json").document

    assert [code for code, _ in _worse_than_notes(document)] == _expected(backup), _worse_than_notes(document)


@EACH
def test_its_contents_are_listed(backup: Backup) -> None:
    document = sospes("inspect", "--contents", backup.path, "--json").document

    assert [code for code, _ in _worse_than_notes(document)] == _expected(backup), _worse_than_notes(document)
    assert document["result"]["engine"] in {"postgresql", "mariadb", "sqlite"}


@EACH
def test_it_goes_into_an_embedded_side_copy(backup: Backup, tmp_path: Path) -> None:
    document = sospes("rehearse", "--work-folder", tmp_path, backup.path, "--json").document

    expected = _expected(backup) if backup.has_definitions else [*_expected(backup), "definition-missing"]
    found = [code for code, _ in _worse_than_notes(document)]
    assert found in (expected, _expected(backup)), _worse_than_notes(document)


@pytest.mark.parametrize(
    "backup",
    [
        pytest.param(backup, id=backup.name)
        for backup in BACKUPS
        if backup.name.startswith(("pg15/plain", "pg15/archive", "maria/plain"))
        and not any(word in backup.name for word in DOES_NOT_LOAD)
    ],
)
def test_its_own_engine_takes_it(backup: Backup) -> None:
    document = sospes("rehearse", "--side", "private", backup.path, "--json").document

    found = _worse_than_notes(document)
    if not backup.has_definitions or backup.facts.get("only_tables"):
        assert {code for code, _ in found} <= {"definition-missing"}, found
    else:
        assert [code for code, _ in found] == _expected(backup), found


def _pairs() -> list[Any]:
    groups = defaultdict(list)
    for backup in BACKUPS:
        facts = backup.facts
        same = (tuple(facts.get("states", ())), tuple(facts.get("tables_without_data", ())))
        told_apart = ("data_only", "section", "history", "compact", "partition_root", "cluster", "no_opt", "skip_comm")
        apart = any(word in backup.name for word in told_apart) or facts["kind"] == "sqlite-dump"
        if facts.get("has_data", True) and not facts.get("only_tables") and backup.has_definitions and not apart:
            groups[same].append(backup)
    return [
        pytest.param(group[0], other, id=f"{group[0].name} and {other.name}")
        for group in groups.values()
        for other in group[1:]
    ]


@pytest.mark.parametrize(("left", "right"), _pairs())
def test_two_forms_of_one_database_are_equal(left: Backup, right: Backup) -> None:
    document = sospes("compare", left.path, right.path, "--json").document

    assert not _worse_than_notes(document)
    assert document["result"]["tables"]


@EACH
def test_a_table_can_be_taken_out(backup: Backup, tmp_path: Path) -> None:
    tables = sospes("verify", backup.path, "--json").document["result"]["tables"]
    named = [table for table in tables if table["rows"] and table["columns"] and "." not in table["name"]]
    if not named:
        pytest.skip("there are no rows in it")
    table = max(named, key=lambda item: item["rows"])
    name = ".".join(part for part in (table["database"], table["schema"], table["name"]) if part)

    run = sospes("extract", backup.path, name, "--out", tmp_path / "out.sql", "--json")

    assert run.code == (0 if backup.says_that_it_is_whole else 3), run.out
    assert [item["rows"] for item in run.document["result"]["tables"] if item["name"] == table["name"]] == [
        table["rows"]
    ]

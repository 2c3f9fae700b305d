"""The table of cases and exit codes, row by row, and the one JSON document."""

from __future__ import annotations

import gzip
import os
from pathlib import Path

import pytest

from tests.backups import POSTGRESQL_END, POSTGRESQL_HEAD, mysql, postgresql, tides
from tests.conftest import DUMPS, sospes, verdict_of

PAGE = b"<!DOCTYPE html><html><head><title>502 Bad Gateway</title></head><body>error</body></html>"


@pytest.mark.parametrize(
    ("content", "code", "finding"),
    [
        pytest.param(b"", 1, "empty", id="empty"),
        pytest.param(bytes(70000), 1, "zeros", id="zeros"),
        pytest.param(PAGE, 1, "not-a-backup", id="web-page"),
        pytest.param(b"pg_dump: error: connection to server failed\n", 1, "not-a-backup", id="error-text"),
        pytest.param(b'{"error": "access denied"}\n', 1, "not-a-backup", id="error-json"),
        pytest.param(os.urandom(5000), 3, "unrecognised", id="random"),
        pytest.param(b"Salted__" + os.urandom(900), 3, "encrypted", id="encrypted"),
        pytest.param(POSTGRESQL_HEAD + b"SET a = 1;\n", 1, "closing-line-missing", id="closing-line-missing"),
        pytest.param(
            b"CREATE TABLE a (b int);\nINSERT INTO a VALUES (1);\n",
            3,
            "completeness-unknown",
            id="comments-off",
        ),
        pytest.param(b"CREATE TABLE a (b int);\n" + POSTGRESQL_END, 1, "opening-missing", id="header-missing"),
        pytest.param(gzip.compress(b""), 1, "nothing-inside", id="empty-gzip"),
    ],
)
def test_what_is_no_sound_backup(tmp_path: Path, content: bytes, code: int, finding: str) -> None:
    backup = tmp_path / "night.sql"
    backup.write_bytes(content)

    run = sospes("verify", backup, "--json")

    assert run.code == code
    assert finding in run.codes
    assert "intact" not in run.document["evidence"]


@pytest.mark.parametrize(
    ("content", "name", "noted"),
    [
        pytest.param(postgresql(b"CREATE TABLE public.a (b integer);\n"), "a.sql", "schema-only", id="schema-only"),
        pytest.param(gzip.compress(tides()), "a.sql", "wrong-ending", id="wrong-extension"),
        pytest.param(tides().rstrip(b"\n"), "a.sql", "last-newline-missing", id="last-newline"),
        pytest.param(b"\xef\xbb\xbf" + tides(), "a.sql", "byte-order-mark", id="byte-order-mark"),
        pytest.param(tides().decode().encode("utf-16"), "a.sql", "byte-order-mark", id="utf-16-with-mark"),
        pytest.param(tides().decode().encode("utf-16-le"), "a.sql", "utf-16", id="utf-16-bare"),
        pytest.param(tides().replace(b"version 15.6", b"version 19.1"), "a.sql", None, id="newer-understood"),
    ],
)
def test_sound_with_a_note(tmp_path: Path, content: bytes, name: str, noted: str | None) -> None:
    (tmp_path / name).write_bytes(content)

    run = sospes("verify", tmp_path / name, "--json")

    assert run.code == 0
    notes = [found["code"] for found in run.document["findings"]]
    assert noted in notes if noted else True


def test_newer_version_with_something_not_understood_is_unproven(tmp_path: Path) -> None:
    newer = tides().replace(b"version 15.6", b"version 19.1").replace(b"COPY public", b"REMOULD TABLE x;\nCOPY public")
    (tmp_path / "a.sql").write_bytes(newer)

    run = sospes("verify", tmp_path / "a.sql", "--json")

    assert (run.code, run.codes) == (3, ["statement-unknown"])


def test_data_only_is_sound_to_verify_and_unproven_to_rehearse() -> None:
    backup = DUMPS / "postgresql-18-data.sql.gz"

    assert verdict_of("verify", backup) == ("sound", 0)
    run = sospes("rehearse", backup, "--json")
    assert (run.code, run.codes) == (3, ["definition-missing"])


def test_objects_that_are_not_rehearsed_leave_the_verdict_alone() -> None:
    run = sospes("rehearse", DUMPS / "postgresql-18.sql", "--json")

    assert (run.code, run.document["rung"]) == (0, "loaded")
    kinds = {item["kind"] for item in run.document["result"]["not_rehearsed"]}
    assert {"function", "trigger", "rule", "exclusion constraint", "view", "domain"} <= kinds


def test_a_key_that_cannot_be_held_is_unproven(tmp_path: Path) -> None:
    body = b"CREATE TABLE `a` (`b` varchar(9) COLLATE utf8mb4_general_ci, UNIQUE KEY `b` (`b`));\n"
    (tmp_path / "a.sql").write_bytes(mysql(body + "INSERT INTO `a` VALUES ('Ă'),('A');\n".encode()))

    run = sospes("rehearse", tmp_path / "a.sql", "--json")

    assert (run.code, run.codes) == (3, ["key-not-held"])
    assert run.document["rung"] == "identified"


@pytest.mark.parametrize(
    ("words", "code"),
    [
        pytest.param(["verify", "{}/missing.sql"], 2, id="missing-file"),
        pytest.param(["verify", "{}"], 2, id="folder"),
        pytest.param(["extract", "{}/a.sql", "nowhere", "--out", "{}/x"], 2, id="missing-table"),
        pytest.param(["extract", "{}/a.sql", "tide", "--out", "{}/a.sql"], 2, id="output-exists"),
        pytest.param(["extract", str(DUMPS / "postgresql-18.sql"), "seed", "--out", "{}/x"], 2, id="ambiguous"),
        pytest.param(["verify", "{}/a.sql", "--work-folder", "{}/none"], 2, id="no-work-folder"),
        pytest.param(["verify", "{}/a.sql", "--config", "{}/none.toml"], 2, id="no-config"),
        pytest.param(["compare", "{}/a.sql", "-"], 2, id="compare-stdin"),
        pytest.param(["verify"], 2, id="no-arguments"),
        pytest.param([], 2, id="no-command"),
    ],
)
def test_what_cannot_be_done(tmp_path: Path, words: list[str], code: int) -> None:
    (tmp_path / "a.sql").write_bytes(tides())

    run = sospes(*(word.format(tmp_path) for word in words))

    assert run.code == code
    assert run.err or not words
    assert not (tmp_path / "x").exists()


def test_an_error_is_a_document_too(tmp_path: Path) -> None:
    run = sospes("verify", tmp_path / "night.sql", "--json")

    assert (run.code, run.codes, run.document["result"]) == (2, ["not-carried-out"], {})


def test_several_backups_each_carry_their_own_verdict(tmp_path: Path) -> None:
    (tmp_path / "good.sql").write_bytes(tides())
    (tmp_path / "cut.sql").write_bytes(tides()[:900])

    run = sospes("verify", tmp_path / "good.sql", tmp_path / "cut.sql", "--json")

    assert run.code == 1
    good, cut = run.document["result"]
    assert (good["verdict"], good["rung"], good["findings"]) == ("sound", "intact", [])
    assert (cut["verdict"], cut["rung"]) == ("unsound", "identified")
    assert run.document["rung"] == "identified"


def test_a_missing_file_does_not_hide_the_others(tmp_path: Path) -> None:
    (tmp_path / "cut.sql").write_bytes(tides()[:900])

    run = sospes("verify", tmp_path / "cut.sql", tmp_path / "missing.sql", "--json")

    assert run.code == 1
    assert [item["verdict"] for item in run.document["result"]] == ["unsound", "unproven"]

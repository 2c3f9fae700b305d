"""Surveys: what lies where, by what is in it, and what is missing."""

from __future__ import annotations

import gzip
import json
import os
import shutil
import sqlite3
import struct
import subprocess
import sys
import threading
import time
from datetime import timedelta
from pathlib import Path
from typing import Any

import pytest

from sospes.formats.opening import Opening
from sospes.places.volumes import Volume, Volumes
from sospes.places.writing import machine
from sospes.work.look.heads import head_in
from sospes.work.survey import heads
from sospes.work.survey.survey import Surveying, survey
from tests.backups import mysql, postgresql, tides
from tests.conftest import DUMPS, sospes
from tests.nights import NOW, dated, night, written


def surveyed(*words: str | Path) -> dict[str, Any]:
    """What a survey found."""
    return sospes("survey", *words, "--json").document  # the schema is held against it


def lineage(document: dict[str, Any], name: str) -> dict[str, Any]:
    """One lineage of a survey."""
    [found] = [item for item in document["result"]["lineages"] if item["id"] == name]
    return dict(found)


def codes(document: dict[str, Any]) -> set[str]:
    """The codes of all findings."""
    return {item["code"] for item in document["findings"]}


def _maria(database: str, host: str = "localhost") -> bytes:
    body = mysql(b"CREATE TABLE `boat` (`id` int);\nINSERT INTO `boat` VALUES (1);\n")
    return body.replace(b"Host: localhost    Database: harbour", f"Host: {host}    Database: {database}".encode())


def test_real_dumps_are_told_by_what_is_in_them(tmp_path: Path) -> None:
    for number, path in enumerate(sorted(DUMPS.iterdir())):
        if path.is_dir():
            shutil.copytree(path, tmp_path / f"{number}")
        elif path.suffix != ".md":
            shutil.copyfile(path, tmp_path / f"{number}")  # no name tells anything

    document = surveyed(tmp_path)

    backups = document["result"]["backups"]
    assert all(item["reason"] is None for item in backups)
    assert {(item["format"], item["engine"]) for item in backups} == {
        ("sql-script", "postgresql"), ("sql-script", "mariadb"), ("sql-script", "sqlite"), ("pg-archive", "postgresql"),
        ("sqlite-file", "sqlite"),
    }  # fmt: skip
    assert len(backups) == len([path for path in DUMPS.iterdir() if path.suffix != ".md"])
    names = {item["id"] for item in document["result"]["lineages"]}
    assert {"mariadb harbour", "postgresql harbour", "postgresql whole server"} <= names


def test_lineages_come_of_engine_server_and_database(tmp_path: Path) -> None:
    for number, (database, host) in enumerate(
        [("harbour", "db1"), ("harbour", "db2"), ("pier", "db1"), ("harbour", "db1")]
    ):
        written(tmp_path / str(number), "full.sql.gz", _maria(database, host), number)

    found = {item["id"]: item["backups"] for item in surveyed(tmp_path)["result"]["lineages"]}

    assert found == {"mysql harbour at db1": 2, "mysql harbour at db2": 1, "mysql pier at db1": 1}


def test_dumps_without_a_name_are_told_apart_by_folder_and_tables(tmp_path: Path) -> None:
    other = ("museum.exhibit", "museum.visitor", "museum.ticket")
    for day in range(3):
        written(tmp_path / "live" / f"2026-11-2{day}", "full.sql", night(20 + day), 9 - day)
        written(tmp_path / "try" / "daily", f"full-{day}.sql", night(20 + day), 9 - day)
        written(tmp_path / "live" / f"2026-11-2{day}", "more.sql", night(5, tables=other), 9 - day)

    found = {item["id"]: item["backups"] for item in surveyed(tmp_path)["result"]["lineages"]}

    assert len(found) == 3 and set(found.values()) == {3}
    assert f"postgresql in {tmp_path}/try/*" in found


def test_newest_age_and_window(tmp_path: Path) -> None:
    for days in (9, 5, 1):
        written(tmp_path, f"night-{days}.sql", night(20), days)

    [found] = surveyed(tmp_path)["result"]["lineages"]

    assert found["newest"] == str(tmp_path / "night-1.sql") and found["newest_stated"] is False
    assert found["newest_at"] == found["window"]["to"] == (NOW - timedelta(days=1)).isoformat(timespec="seconds")
    assert found["window"]["from"] == (NOW - timedelta(days=9)).isoformat(timespec="seconds")


def test_what_a_backup_says_of_its_time_counts_before_its_file(tmp_path: Path) -> None:
    written(tmp_path, "a.sql", _maria("harbour"), 0)

    [found] = surveyed(tmp_path)["result"]["lineages"]

    assert found["newest_stated"] is True and found["newest_at"].startswith("2026-11-22T03:04:05")


def test_the_spread_names_what_is_missing(tmp_path: Path) -> None:
    for days in (0, 1, 2, 4, 5, 6):
        written(tmp_path, f"night-{days}.sql", night(20), days)

    run = sospes("survey", tmp_path, "--spread", "7d", "--json")

    assert (run.code, run.codes) == (3, ["backup-missing"])
    [found] = run.document["result"]["lineages"]
    assert found["spread"]["days"] == {"wanted": 7, "there": 6}
    assert found["spread"]["weeks"] == {"wanted": 0, "there": 0}
    [message] = [item["message"] for item in run.document["findings"] if item["code"] == "backup-missing"]
    gone = (NOW.astimezone() - timedelta(days=3)).date().isoformat()
    assert message.endswith(f"no backup of {gone}")
    assert f"no backup of {gone}" in sospes("survey", tmp_path, "--spread", "7d").out


def test_what_is_cut_off_does_not_count_and_is_a_fault(tmp_path: Path) -> None:
    written(tmp_path, "night-2.sql", night(20), 2)
    written(tmp_path, "night-1.sql", night(20)[:-80], 1)

    run = sospes("survey", tmp_path, "--json")

    assert (run.code, run.codes) == (1, ["backup-not-whole"])
    [found] = run.document["result"]["lineages"]
    assert found["newest"] == str(tmp_path / "night-2.sql")


@pytest.mark.parametrize(
    ("content", "severity"),
    [
        pytest.param(b"", "fault", id="empty"),
        pytest.param(bytes(5000), "fault", id="zeros"),
        pytest.param(os.urandom(5000), "doubt", id="unknown"),
    ],
)
def test_a_file_named_like_the_backups_beside_it_that_is_none(tmp_path: Path, content: bytes, severity: str) -> None:
    written(tmp_path, "harbour-2026-11-28.sql", night(20), 2)
    (tmp_path / "harbour-2026-11-29.sql").write_bytes(content)
    dated(tmp_path / "harbour-2026-11-29.sql", 1)

    run = sospes("survey", tmp_path, "--json")

    assert [(item["code"], item["severity"]) for item in run.document["findings"] if item["severity"] != "note"] == [
        ("backup-unlike-others", severity)
    ]


def test_files_that_nobody_can_identify_are_listed_with_the_reason(tmp_path: Path) -> None:
    written(tmp_path, "night.sql", night(20), 2)
    written(tmp_path, "README.txt", b"The backups of the coastal rescue service.\n", 2)

    run = sospes("survey", tmp_path, "--json")

    assert run.code == 0 and "unidentified" in codes(run.document)
    [stranger] = [item for item in run.document["result"]["backups"] if item["lineage"] is None]
    assert stranger["reason"].startswith("readable text, but no backup")
    assert "README.txt" in sospes("survey", tmp_path).out


def test_seals_and_side_files_belong_to_their_backups(tmp_path: Path) -> None:
    backup = written(tmp_path, "night.sql", night(20), 2)
    sospes("seal", backup)
    with sqlite3.connect(tmp_path / "log.db") as connection:
        connection.execute("PRAGMA journal_mode=WAL")
        connection.execute("CREATE TABLE boat (id)")
        shutil.copyfile(tmp_path / "log.db", tmp_path / "live.db")
        shutil.copyfile(tmp_path / "log.db-wal", tmp_path / "live.db-wal")
    connection.close()

    backups = {Path(item["path"]).name: item for item in surveyed(tmp_path)["result"]["backups"]}

    assert set(backups) == {"night.sql", "log.db", "live.db"}
    assert backups["night.sql"]["sealed"] and not backups["log.db"]["sealed"]


def test_what_sospes_has_made_itself_is_no_backup(tmp_path: Path) -> None:
    backup = written(tmp_path, "night.sql", night(20), 2)
    sospes("rehearse", backup, "--keep", "--work-folder", tmp_path, "--ledger", tmp_path / "book.sqlite")
    assert len(list(tmp_path.glob("*.sqlite"))) == 2

    backups = surveyed(tmp_path)["result"]["backups"]

    assert [Path(item["path"]).name for item in backups] == ["night.sql"]


def test_pieces_of_a_split_backup_are_one(tmp_path: Path) -> None:
    whole = gzip.compress(night(3000), mtime=0)
    for number in range(3):
        written(tmp_path, f"night.sql.gz.{number:03}", whole[number * 9000 : (number + 1) * 9000], 1)
    for number in range(3):
        written(tmp_path, f"dump-{number}", night(20 + number), 1)

    backups = {Path(item["path"]).name: item["pieces"] for item in surveyed(tmp_path)["result"]["backups"]}

    assert backups == {"night.sql.gz.000": 3, "dump-0": 1, "dump-1": 1, "dump-2": 1}


def test_copies_are_told_and_how_sure_that_is(tmp_path: Path) -> None:
    one = written(tmp_path / "a", "night.sql", night(200), 2)
    two = written(tmp_path / "b", "copy.sql", night(200), 1)
    changed = night(200).replace(b"by hand", b"by band")
    written(tmp_path / "c", "night.sql", changed, 1)

    def same() -> dict[str, tuple[str | None, str | None]]:
        return {item["path"]: (item["same_as"], item["same"]) for item in surveyed(tmp_path)["result"]["backups"]}

    assert same()[str(two)] == (str(one), "samples")
    sospes("verify", one)
    sospes("verify", two)
    assert same()[str(two)] == (str(one), "bytes")
    assert same()[str(tmp_path / "c" / "night.sql")] == (None, None)


def test_where_copies_lie_and_a_database_beside_them(tmp_path: Path) -> None:
    written(tmp_path / "a", "night.sql", night(20), 2)
    (tmp_path / "data").mkdir()

    told = surveyed(tmp_path / "a")
    beside = surveyed(tmp_path / "a", "--data-folder", tmp_path / "data")

    assert "one-volume" in codes(told)
    assert "beside-the-database" in codes(beside)
    assert beside["result"]["lineages"][0]["volumes"]
    assert sospes("survey", tmp_path, "--data-folder", tmp_path / "nowhere").code == 2


def test_two_volumes_of_one_machine_and_two_machines(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    for name in ("a", "b"):
        written(tmp_path / name, "night.sql", _maria("harbour"), 2)
    hosts = {"a": "pier", "b": "pier"}
    monkeypatch.setattr(
        Volumes, "of", lambda _, path: Volume(hosts.get(path.parent.name, ""), f"/{path.parent.name}", path.parent.name)
    )

    one = surveyed(tmp_path)
    hosts["b"] = "lighthouse"
    two = surveyed(tmp_path)

    assert "one-host" in codes(one) and not {"one-host", "one-volume"} & codes(two)
    assert two["result"]["lineages"][0]["volumes"] == ["/a of pier", "/b of lighthouse"]


def test_volumes_of_this_machine(tmp_path: Path) -> None:
    found = Volumes().of(tmp_path)
    assert found.host == machine() and tmp_path.is_relative_to(found.mount)


def test_a_file_that_grows(tmp_path: Path) -> None:
    backup = tmp_path / "night.sql"
    backup.write_bytes(night(3000)[:20000])

    def grow(_seconds: float) -> None:
        with backup.open("ab") as file:
            file.write(b"more\n")

    outcome = survey([tmp_path], Surveying(opening=Opening(), now=NOW.astimezone(), pause=grow))

    assert [item.growing for item in outcome.result.backups] == [True]
    assert "still-growing" in {item.code for item in outcome.findings}
    assert outcome.verdict.word == "sound"  # it may become a whole one yet


def test_heads_are_remembered_until_a_file_changes(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    written(tmp_path, "a.sql", _maria("harbour"), 5)
    written(tmp_path, "b.sql", _maria("pier"), 5)
    first = surveyed(tmp_path)
    read = []
    before = heads.read_one

    def seen(found: Any, opening: Opening) -> Any:
        read.append(found)
        return before(found, opening)

    monkeypatch.setattr(heads, "read_one", seen)

    assert surveyed(tmp_path)["result"]["lineages"] == first["result"]["lineages"] and read == []
    written(tmp_path, "b.sql", _maria("quayside"), 4)
    assert lineage(surveyed(tmp_path), "mysql quayside")["backups"] == 1
    assert [item.paths[0].name for item in read] == ["b.sql"]
    surveyed(tmp_path, "--fresh")
    assert len(read) == 3
    surveyed(tmp_path, "--no-ledger")
    assert len(read) == 5


def test_what_is_proven_of_the_newest_is_shown(tmp_path: Path) -> None:
    backup = written(tmp_path, "night.sql", night(20), 1)
    assert surveyed(tmp_path)["result"]["lineages"][0]["newest_proven"] is None

    sospes("rehearse", backup)

    assert surveyed(tmp_path)["result"]["lineages"][0]["newest_proven"] == "loaded"
    backup.write_bytes(night(21))
    assert surveyed(tmp_path)["result"]["lineages"][0]["newest_proven"] is None


def test_odd_things_in_a_folder(tmp_path: Path) -> None:
    written(tmp_path / "a", "night.sql", night(20), 1)
    (tmp_path / "a" / "loop").symlink_to(tmp_path)
    (tmp_path / "a" / "latest.sql").symlink_to("night.sql")
    (tmp_path / "a" / "broken").symlink_to("nowhere")
    os.mkfifo(tmp_path / "a" / "pipe")
    (tmp_path / "a" / "empty").mkdir()
    os.link(tmp_path / "a" / "night.sql", tmp_path / "a" / "again.sql")

    backups = surveyed(tmp_path, tmp_path / "a")["result"]["backups"]

    assert [Path(item["path"]).name for item in backups] == ["again.sql"]  # one file, under one of its names


def test_folders_that_lie_deeper_than_calls_may(tmp_path: Path) -> None:
    here = os.open(tmp_path, os.O_RDONLY)
    for _ in range(1500):
        os.mkdir("d", dir_fd=here)
        here, before = os.open("d", os.O_RDONLY, dir_fd=here), here
        os.close(before)
    os.close(here)
    written(tmp_path / "d", "night.sql", night(20), 1)

    found = surveyed(tmp_path)["result"]["backups"]
    subprocess.run(["rm", "-rf", tmp_path / "d"], check=True)  # which goes deeper than Python's own way to delete

    assert len(found) == 1


def test_names_that_are_no_characters_or_steer_a_terminal(tmp_path: Path) -> None:
    for name in (b"n\xffght.sql", b"night\x1b[2J\n.sql", b"<b>&.sql"):
        Path(os.fsdecode(os.fsencode(tmp_path) + b"/" + name)).write_bytes(night(20))

    done = subprocess.run(
        [sys.executable, "-m", "sospes", "survey", str(tmp_path)], capture_output=True, timeout=60, check=False
    )
    as_json = subprocess.run(
        [sys.executable, "-m", "sospes", "survey", str(tmp_path), "--json"],
        capture_output=True,
        timeout=60,
        check=False,
    )

    assert (done.returncode, as_json.returncode) == (0, 0), (done.stderr, as_json.stderr)
    assert b"\x1b" not in done.stdout
    assert len(json.loads(as_json.stdout.decode("utf-8", "surrogateescape"))["result"]["backups"]) == 3


@pytest.mark.skipif(os.geteuid() == 0, reason="root may read everything")
def test_a_folder_that_may_not_be_read_is_a_doubt(tmp_path: Path) -> None:
    written(tmp_path / "a", "night.sql", night(20), 1)
    (tmp_path / "b").mkdir(mode=0)

    run = sospes("survey", tmp_path, "--json")

    assert (run.code, run.codes) == (3, ["place-unreadable"])


def test_a_folder_that_cannot_be_listed_is_a_doubt(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    written(tmp_path / "a", "night.sql", night(20), 1)
    (tmp_path / "b").mkdir()
    before = os.scandir

    def scandir(path: Path) -> Any:
        if Path(path).name == "b":
            raise PermissionError(13, "Permission denied", str(path))
        return before(path)

    monkeypatch.setattr("sospes.work.survey.walking.os.scandir", scandir)

    run = sospes("survey", tmp_path, "--json")

    assert (run.code, run.codes) == (3, ["place-unreadable"])


def test_nothing_at_all(tmp_path: Path) -> None:
    assert sospes("survey", tmp_path).code == 2
    assert sospes("survey", tmp_path / "nowhere").code == 2
    assert sospes("survey", tmp_path, "--spread", "7x").code == 2


def _segment(timeline: int, number: int, system: int = 77, size: int = 1 << 20) -> bytes:
    return struct.pack("<HHIQI4xQII", 0xD110, 2, timeline, number * size, 0, system, size, 8192) + bytes(9000)


def test_physical_copies_and_logs_are_named_as_unchecked(tmp_path: Path) -> None:
    (tmp_path / "mariadb" / "mysql").mkdir(parents=True)
    (tmp_path / "mariadb" / "ibdata1").write_bytes(bytes(100))
    written(tmp_path / "logs", "000000010000000000000002", _segment(1, 2, 4711), 1)
    (tmp_path / "logs" / "00000002.history").write_text("1\t0/3000000\tno recovery target specified\n")
    event = (
        struct.pack("<IBIIIH", 1790000000, 15, 1, 100, 100, 0)
        + struct.pack("<H", 4)
        + b"10.11.19-MariaDB-log".ljust(50, b"\0")
    )
    written(tmp_path / "binlog", "binlog.000001", b"\xfebin" + event + bytes(30), 1)
    (tmp_path / "binlog" / "binlog.index").write_text("./binlog.000001\n")

    document = surveyed(tmp_path)

    system = lineage(document, "postgresql system 4711")
    assert (system["backups"], system["kinds"], system["unchecked"]) == (1, ["log"], False)
    assert {item["engine"] for item in document["result"]["backups"]} == {"postgresql", "mariadb"}
    for item in document["result"]["backups"]:
        is_unread = (item["reason"] or "").startswith("recognised, and not checked")
        assert is_unread == (item["engine"] == "mariadb")
    assert "form-unchecked" in codes(document)


def test_gaps_in_a_log_are_placed(tmp_path: Path) -> None:
    for number in (3, 4, 7, 8):
        written(tmp_path, f"any-name-{9 - number}", _segment(1, number), 1)
    written(tmp_path, "other-timeline", _segment(2, 5), 1)

    run = sospes("survey", tmp_path, "--json")

    assert (run.code, run.codes) == (3, ["log-gap"])
    [found] = run.document["result"]["lineages"]
    assert [(gap["from"], gap["to"]) for gap in found["gaps"]] == [("timeline 1, 0/500000", "timeline 1, 0/700000")]


def test_many_files_are_read_by_several_processes(tmp_path: Path) -> None:
    for number in range(heads.FEW + 5):
        written(tmp_path / str(number % 5), f"night-{number}.sql.gz", _maria(f"boat{number % 5}"), number)

    document = surveyed(tmp_path)

    assert [item["backups"] for item in document["result"]["lineages"]] == [9] * 5


def test_one_file_that_is_broken_in_a_new_way_stops_no_other(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    written(tmp_path, "a.sql", night(20), 1)
    written(tmp_path, "b.sql", tides(), 1)
    before = head_in

    def fails(opened: Any) -> Any:
        if opened.name.endswith("a.sql"):
            raise ZeroDivisionError("a defect of ours")
        return before(opened)

    monkeypatch.setattr(heads, "head_in", fails)

    backups = {Path(item["path"]).name: item["reason"] for item in surveyed(tmp_path)["result"]["backups"]}

    assert backups["b.sql"] is None and "ZeroDivisionError" in backups["a.sql"]


def test_a_packed_database_file_is_not_unpacked_for_its_head(tmp_path: Path) -> None:
    written(tmp_path, "log.db.gz", (DUMPS / "sqlite-3.sqlite").read_bytes(), 1)

    [found] = surveyed(tmp_path)["result"]["backups"]

    assert (found["format"], found["engine"], found["compression"]) == ("sqlite-file", "sqlite", "gzip")
    assert not list(tmp_path.glob("*.sqlite"))


def test_a_survey_goes_on_while_files_go(tmp_path: Path) -> None:
    """Old backups are cleaned away while it is read: what went is simply gone."""
    for number in range(300):
        written(tmp_path, f"night-{number}.sql", night(2), 1)

    def clean() -> None:
        time.sleep(0.05)
        for path in sorted(tmp_path.iterdir())[::2]:
            path.unlink(missing_ok=True)

    cleaner = threading.Thread(target=clean)
    cleaner.start()
    run = sospes("survey", tmp_path, "--json")
    cleaner.join()

    assert run.code in {0, 3}


def test_inspect_of_a_whole_server_that_goes_beyond_its_head(tmp_path: Path) -> None:
    """Its head ends within one database, whose key only that database's own end gives back."""
    part = (
        b"\\connect %s\n\n--\n-- PostgreSQL database dump\n--\n\n\\restrict key%s\n\n-- Dumped from database version 15.6\n"
        b"-- Dumped by pg_dump version 15.6\n\nCREATE TABLE public.boat (id integer);\n\nCOPY public.boat (id) FROM stdin;\n"
        + b"1\n" * 900_000
        + b"\\.\n\n--\n-- PostgreSQL database dump complete\n--\n\n\\unrestrict key%s\n\n"
    )
    whole = b"--\n-- PostgreSQL database cluster dump\n--\n\n"
    for name in (b"harbour", b"pier"):
        whole += part.replace(b"%s", name)
    whole += b"--\n-- PostgreSQL database cluster dump complete\n--\n\n"
    (tmp_path / "all.sql").write_bytes(whole)
    (tmp_path / "cut.sql").write_bytes(whole[:-40])

    assert sospes("inspect", tmp_path / "all.sql", "--json").document["result"]["complete"] is True
    assert sospes("inspect", tmp_path / "cut.sql").code == 1
    assert postgresql(b"") and sospes("survey", tmp_path / "all.sql").code == 0

"""What killed runs leave in folders, and that tidy removes nothing else there."""

from __future__ import annotations

import json
import os
import subprocess
import sys
import time
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import pytest

from sospes.model.errors import CannotCheck
from sospes.places import own, writing
from tests.backups import copy_table, postgresql
from tests.conftest import sospes

_ROWS = copy_table("public.crew", [("id", "integer NOT NULL"), ("name", "text")], [["1", "Ada"], ["2", "Bo"]], "id")


def _left(folder: Path, *more: str) -> list[dict[str, Any]]:
    found = sospes("tidy", folder, *more, "--json").document["result"]["left"]
    return [item for item in found if Path(item["location"]).is_relative_to(folder)]


@contextmanager
def _stopped_halfway(folder: Path, *words: str) -> Iterator[Path]:
    """A run that waits for the second half of its backup, and what it has made in the folder by then."""
    command = [sys.executable, "-m", "sospes", words[0], "-", *words[1:]]
    with subprocess.Popen(command, cwd=folder, stdin=subprocess.PIPE, stdout=subprocess.DEVNULL) as running:
        assert running.stdin is not None
        running.stdin.write(postgresql(_ROWS)[:-200].ljust(3 << 20, b"\n"))
        running.stdin.flush()
        deadline = time.monotonic() + 30
        while not (made := [*folder.iterdir()]) and time.monotonic() < deadline:
            time.sleep(0.02)
        [path] = made
        yield path
        running.kill()


@pytest.mark.parametrize(
    ("words", "kind"),
    [
        (["extract", "crew", "--out", "crew.sql"], "partial file"),
        (["extract", "crew", "--as", "csv", "--out", "crew.csv"], "partial file"),
        (["rehearse", "--work-folder", "."], "temporary folder"),
    ],
)
def test_what_a_killed_run_left_is_found_and_removed(tmp_path: Path, words: list[str], kind: str) -> None:
    with _stopped_halfway(tmp_path, *words) as path:
        [used] = _left(tmp_path, "--drop")
        assert (used["kind"], used["in_use"], used["dropped"]) == (kind, True, False)
        assert used["location"] == str(path)

    [listed] = _left(tmp_path)
    assert (listed["in_use"], listed["dropped"]) == (False, False) and path.exists()
    [dropped] = _left(tmp_path, "--drop")
    assert dropped["dropped"] and [*tmp_path.iterdir()] == []


def test_the_current_folder_is_looked_at(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.chdir(tmp_path)
    with _stopped_halfway(tmp_path, "extract", "crew", "--out", "crew.sql") as path:
        pass

    run = sospes("tidy", "--drop")

    assert run.code == 0 and path.name[:12] in "".join(run.out.split()) and not path.exists()


def test_what_is_not_ours_to_remove_stays(tmp_path: Path) -> None:
    gone = 2**22 + 1  # no system gives a process such a number
    mine = tmp_path / f".crew.sql.{gone}-{writing.machine()}.sospes-part"
    journal = tmp_path / f"{mine.name}-journal"
    elsewhere = tmp_path / f".crew.sql.{gone}-another_machine.sospes-part"
    strangers = [tmp_path / name for name in ("crew.sql", f".crew.sql.{gone}.part", f"crew.{gone}-x.sospes-part")]
    linked = tmp_path / f".link.{gone}-{writing.machine()}.sospes-part"
    folder = tmp_path / f".folder.{gone}-{writing.machine()}.sospes-part"
    unmarked = tmp_path / f"{own.WORK}stranger"
    for path in (mine, journal, elsewhere, *strangers):
        path.write_text("rows")
    linked.symlink_to("crew.sql")
    folder.mkdir()
    unmarked.mkdir()
    (unmarked / own.MARK).write_text('{"made_by": "somebody"}')

    dropped = {Path(item["location"]): item["dropped"] for item in _left(tmp_path, "--drop")}

    assert dropped == {mine: True, journal: True, elsewhere: False}
    assert not mine.exists() and not journal.exists()
    assert all(path.exists() for path in (elsewhere, *strangers, linked, folder, unmarked))


def test_a_folder_that_was_being_put_in_its_place_is_tidied(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """To another file system it is copied; a run that was killed meanwhile leaves one with our mark."""
    source, target = tmp_path / "data", tmp_path / "there" / "kept"
    source.mkdir()
    (source / "rows").write_text("rows")
    target.parent.mkdir()
    monkeypatch.setattr(own, "_same_disk", lambda *_: False)
    own.put_in_place(source, target)
    assert sorted(path.name for path in target.iterdir()) == ["rows"]
    assert [path.name for path in target.parent.iterdir()] == ["kept"]

    left = tmp_path / "there" / f".again.{2**22 + 1}-{writing.machine()}.sospes-part"
    left.mkdir()
    (left / own.MARK).write_text(json.dumps({"made_by": "sospes", "owner": 2**22 + 1, "machine": writing.machine()}))
    assert [item["dropped"] for item in _left(left.parent, "--drop")] == [True]

    def full(*_args: object, **_more: object) -> None:
        raise OSError(28, "No space left on device")

    monkeypatch.setattr("shutil.copytree", full)
    with pytest.raises(CannotCheck, match="No space left"):
        own.put_in_place(source, target.with_name("third"))
    assert [path.name for path in target.parent.iterdir()] == ["kept"]


@pytest.mark.skipif(os.geteuid() != 0, reason="only root can give a file away")
def test_another_users_unfinished_files_are_left_alone(tmp_path: Path) -> None:
    path = tmp_path / f".crew.sql.{2**22 + 1}-{writing.machine()}.sospes-part"
    path.write_text("rows")
    os.chown(path, 12345, 12345)

    [told] = _left(tmp_path, "--drop")

    assert not told["dropped"] and path.exists()
    assert "another user's" in sospes("tidy", tmp_path).out


def test_a_mark_that_somebody_else_wrote_is_no_trouble(tmp_path: Path) -> None:
    for number, text in enumerate((b"\xff", b"[]", b"{}", b'{"made_by": "sospes", "owner": "x", "machine": 7}')):
        folder = tmp_path / f"{own.WORK}{number}"
        folder.mkdir()
        (folder / own.MARK).write_bytes(text)
    os.mkfifo(tmp_path / f"{own.WORK}pipe")
    (tmp_path / f"{own.WORK}3" / "link").symlink_to("/etc/passwd")

    [told] = _left(tmp_path, "--drop")

    assert told["in_use"] and not told["dropped"]


def test_a_long_name_is_written_beside_itself(tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(postgresql(_ROWS))
    name = "c" * 250

    assert sospes("extract", tmp_path / "night.sql", "crew", "--out", tmp_path / name).code == 0
    assert (tmp_path / name).stat().st_size and len([*tmp_path.iterdir()]) == 2

"""What is found in damaged and hostile base backups, and where."""

from __future__ import annotations

import gzip
import json
import random
import shutil
import struct
import tarfile
from collections.abc import Callable
from pathlib import Path
from typing import Any

import numpy as np
import pytest

from sospes.formats.base.label import read_label
from sospes.formats.base.pages import checksums
from tests.conftest import folder_for_all
from tests.formats.bases import flip, relation, verified
from tests.servers import PostgresServer

pytestmark = pytest.mark.servers


def _set(document: dict[str, Any], text: str) -> str:
    return json.dumps(document) if text == "" else text


@pytest.mark.parametrize(
    ("damage", "code", "exit_code"),
    [
        pytest.param(lambda folder: relation(folder).unlink(), "file-missing", 1, id="gone"),
        pytest.param(lambda folder: flip(relation(folder), 9000), "checksum-mismatch", 1, id="a-flipped-bit"),
        pytest.param(lambda folder: relation(folder).write_bytes(relation(folder).read_bytes()[:-8192]), "file-resized", 1, id="cut"),
        pytest.param(lambda folder: (folder / "global" / "extra.conf").write_text("x"), "file-foreign", 3, id="foreign"),
        pytest.param(lambda folder: flip(folder / "backup_manifest", 4000), "manifest-damaged", 1, id="manifest-flipped"),
        pytest.param(lambda folder: (folder / "backup_manifest").write_bytes((folder / "backup_manifest").read_bytes()[:5000]), "manifest-damaged", 1, id="manifest-cut"),
        pytest.param(lambda folder: flip(folder / "global" / "pg_control", 100), "control-damaged", 1, id="control"),
        pytest.param(lambda folder: (folder / "global" / "pg_control").write_bytes(b""), "control-damaged", 1, id="control-empty"),
        pytest.param(lambda folder: (folder / "global" / "pg_control").unlink(), "control-missing", 1, id="no-control"),
        pytest.param(lambda folder: (folder / "PG_VERSION").unlink(), "file-missing", 1, id="no-version"),
        pytest.param(lambda folder: (folder / "backup_label").write_bytes(b"START"), "label-damaged", 1, id="label"),
        pytest.param(lambda folder: flip(folder / "global" / "pg_filenode.map", 20), "map-damaged", 1, id="file-map"),
        pytest.param(lambda folder: [path.unlink() for path in (folder / "pg_wal").glob("0*")], "logs-missing", 3, id="no-log"),
    ],
)  # fmt: skip
def test_damage_is_found_and_placed(copy: Path, damage: Callable[[Path], object], code: str, exit_code: int) -> None:
    damage(copy)
    run = verified(copy)
    assert code in run.codes and run.code == exit_code, run.document["findings"]
    assert run.document["rung"] == "identified"


def test_every_flip_of_what_the_manifest_covers_is_found(copy: Path) -> None:
    lots = random.Random(15)
    listed = [file["Path"] for file in json.loads((copy / "backup_manifest").read_text())["Files"] if file["Size"]]
    for _ in range(25):
        path = copy / lots.choice(listed)
        at, bit = lots.randrange(path.stat().st_size), lots.randrange(8)
        flip(path, at, bit)
        run = verified(copy)
        assert run.code == 1, (path, at)
        assert any(path.as_posix().endswith(item["place"]["file"] or "?") for item in run.document["findings"]), path
        flip(path, at, bit)
    assert verified(copy).code == 0


def test_pages_are_checked_where_no_manifest_covers_them(copy: Path) -> None:
    (copy / "backup_manifest").unlink()
    path = relation(copy)
    flip(path, 3 * 8192 + 4000)
    zeroed = bytearray(path.read_bytes())
    zeroed[8192 : 2 * 8192] = bytes(8192)
    swapped = path.with_name(path.name)
    path.write_bytes(zeroed)

    run = verified(copy)

    [found] = [item for item in run.document["findings"] if item["severity"] != "note"]
    assert found["code"] in {"page-damaged", "page-torn"}
    assert (found["place"]["stored_from"], found["place"]["stored_to"]) == (3 * 8192, 4 * 8192)
    assert swapped.exists() and "page 3" in found["message"]


def test_pages_that_changed_places_are_found(copy: Path) -> None:
    (copy / "backup_manifest").unlink()
    path = relation(copy)
    data = bytearray(path.read_bytes())
    data[0:8192], data[8192:16384] = data[8192:16384], data[0:8192]
    path.write_bytes(data)

    found = [
        item["place"]["stored_from"] for item in verified(copy).document["findings"] if item["code"].startswith("page-")
    ]

    assert found == [0, 8192]


def test_the_log_that_is_needed_is_followed_record_by_record(copy: Path) -> None:
    label = read_label((copy / "backup_label").read_bytes())
    assert label is not None
    segment = next(
        path
        for path in sorted((copy / "pg_wal").iterdir())
        if path.is_file() and label.start // (1 << 20) % 256 == int(path.name[-2:], 16)
    )
    whole = segment.read_bytes()
    start = label.start % (1 << 20)
    for at in range(start, start + 48):  # its first record
        flip(segment, at)
        run = verified(copy)
        assert run.code in {1, 3} and {"log-damaged", "logs-missing"} & set(run.codes), at
        segment.write_bytes(whole)
    other = bytearray(whole)
    other[24:32] = (4711).to_bytes(8, "little")
    segment.write_bytes(other)
    assert "of another cluster" in verified(copy).document["findings"][0]["message"]


def test_bad_before_the_backup_is_told_apart_from_bad_since(cluster: PostgresServer, tmp_path: Path) -> None:
    """The manifest agrees with what the page checksum denies."""
    backup = cluster.base_backup(folder_for_all(tmp_path) / "base", "--manifest-checksums=NONE")
    path = relation(backup)
    flip(path, 4000)
    since = verified(backup).document["findings"][0]
    assert since["code"] in {"page-damaged", "page-torn"}


def test_hostile_tars_reach_nothing(plain: Path, tmp_path: Path) -> None:
    tars = tmp_path / "tars"
    tars.mkdir()
    with tarfile.open(tars / "base.tar", "w", format=tarfile.USTAR_FORMAT) as tar:
        tar.add(plain / "backup_label", "backup_label")
        for name in ("PG_VERSION", "global/pg_control"):
            tar.add(plain / name, name)
        for name, target in (
            ("../../out", None),
            ("/etc/out", None),
            ("base/link", "/etc/passwd"),
            ("pg_tblspc/1", "/"),
        ):
            entry = tarfile.TarInfo(name)
            if target:
                entry.type, entry.linkname = tarfile.SYMTYPE, target
            tar.addfile(entry)

    run = verified(tars)

    assert run.code == 3 and run.codes.count("file-strange") == 3
    assert run.document["result"]["tablespaces"] == ["1"]


@pytest.mark.parametrize("kept", [600, 3000, 40_000])
def test_a_tar_that_is_cut_off(plain: Path, tmp_path: Path, kept: int) -> None:
    tars = tmp_path / "tars"
    tars.mkdir()
    with tarfile.open(tars / "whole.tar", "w", format=tarfile.USTAR_FORMAT) as tar:
        tar.add(plain / "backup_label", "backup_label")
        tar.add(plain / "PG_VERSION", "PG_VERSION")
        tar.add(plain / "base", "base")
    (tars / "base.tar").write_bytes((tars / "whole.tar").read_bytes()[:kept])
    (tars / "base2.tar.gz").write_bytes(gzip.compress(b""))

    run = verified(tars)

    assert run.code == 1 and {"tar-damaged", "control-missing"} & set(run.codes)


def test_pages_that_a_server_makes_anew_and_control_files_of_another_version(copy: Path) -> None:
    (copy / "backup_manifest").unlink()
    fsm = next(path for path in copy.rglob("*_fsm") if path.stat().st_size > 8192)
    flip(fsm, 8192 + 100)
    assert "map-page-damaged" in [item["code"] for item in verified(copy).document["findings"]]

    control = copy / "global" / "pg_control"
    control.write_bytes(control.read_bytes()[:8] + (9999).to_bytes(4, "little") + control.read_bytes()[12:])
    run = verified(copy)
    assert run.code == 3 and "control-unknown" in run.codes


def test_odd_things_in_the_folder(copy: Path) -> None:
    (copy / "base" / "link").symlink_to("/etc/hostname")
    (copy / "pg_tblspc" / "9").symlink_to("/")
    run = verified(copy)
    assert (run.code, run.codes) == (3, ["file-strange"])


def test_a_page_that_is_newer_than_the_backup(cluster: PostgresServer, copy: Path) -> None:
    """Its checksum holds, as it is a page of the same table at another time."""
    path = relation(copy)
    page = bytearray(path.read_bytes()[:8192])
    struct.pack_into("<II", page, 0, 0xFF, 0)
    words = np.frombuffer(bytes(page), "<u4").reshape(1, -1)
    part = int(path.suffix[1:]) if path.suffix else 0
    struct.pack_into("<H", page, 8, int(checksums(words, np.array([part * 131072], np.uint32))[0]))
    with path.open("r+b") as file:
        file.write(page)
    (copy / "backup_manifest").unlink()

    run = verified(copy)

    assert (run.code, run.codes) == (1, ["page-too-new"])


def test_a_label_of_another_backup(copy: Path) -> None:
    label = copy / "backup_label"
    text = label.read_text()
    start = read_label(text.encode())
    assert start is not None
    (copy / "backup_manifest").unlink()
    label.write_text(text.replace("START WAL LOCATION: 0/", "START WAL LOCATION: FF/"))
    assert "label-foreign" in verified(copy).codes
    label.write_text(text.replace("BACKUP FROM: primary", "BACKUP FROM: standby"))
    assert "label-foreign" in verified(copy).codes
    label.write_text(text)
    (copy / "PG_VERSION").write_text("17\n")
    assert "version-foreign" in verified(copy).codes


@pytest.mark.parametrize("length", [700_001, 8192, (1 << 20) + 5000])
def test_a_segment_of_another_length(copy: Path, length: int) -> None:
    """Also where all that is needed of the log lies before the cut."""
    segment = next(path for path in (copy / "pg_wal").iterdir() if len(path.name) == 24)
    data = segment.read_bytes()
    segment.write_bytes((data + data)[:length])
    run = verified(copy)
    assert (run.code, run.codes[0]) == (1, "log-cut")


@pytest.mark.parametrize("gone", ["global", "base", "pg_wal", "PG_VERSION backup_label", "global pg_wal pg_xact"])
def test_half_a_backup(copy: Path, gone: str) -> None:
    for name in gone.split():
        path = copy / name
        shutil.rmtree(path) if path.is_dir() else path.unlink()
    run = verified(copy)
    assert run.document["result"]["format"] == "pg-base"
    assert run.code == (3 if gone == "pg_wal" else 1), run.document["findings"]

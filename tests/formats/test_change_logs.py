"""Change logs as a real server archives them: sound ones in every shape, and what is found in damaged ones."""

from __future__ import annotations

import bz2
import gzip
import json
import lzma
import os
import random
import shutil
import struct
import subprocess
import sys
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

import crc32c
import lz4.frame
import pytest
import zstandard

from sospes.formats.wal.files import gather
from sospes.formats.wal.moments import backup_ends_in, commits_in, restore_points_in
from sospes.formats.wal.records import HEADER, Log, first_begin
from sospes.formats.wal.segments import named, read_history, read_note, segment_head, segment_name, stated_time
from sospes.formats.wal.timelines import newest_way, way_to
from sospes.model.moments import offset_of, position, server_time
from tests.conftest import Run, sospes
from tests.worlds import World

pytestmark = pytest.mark.servers
MIB = 1 << 20


@pytest.fixture
def logs(world: World, tmp_path: Path) -> Path:
    """A copy of the archive, to be damaged."""
    return Path(shutil.copytree(world.archive, tmp_path / "logs"))


def segments(folder: Path) -> list[Path]:
    """The segments in a folder, in order."""
    return sorted(path for path in folder.iterdir() if len(path.name) == 24)


def verified(*words: str | Path) -> Run:
    """What a verification finds."""
    return sospes("verify", *words, "--json", "--no-ledger")


def flip(path: Path, at: int, bit: int = 0) -> None:
    """Change one bit of a file."""
    data = bytearray(path.read_bytes())
    data[at] ^= 1 << bit
    path.write_bytes(data)


def log_of(folder: Path) -> Log:
    """The log of the segments in a folder, by their names."""
    files = {file.head.start: file for file in gather([folder]).files}
    return Log(files.get, MIB, None)


def first_of(folder: Path) -> int:
    """Where the first record of a folder's first segment begins."""
    file = gather([folder]).files[0]
    begin = first_begin(file, file.head.start, file.head, file.head.start)
    assert begin is not None
    return begin


def test_what_it_is(world: World) -> None:
    found = sospes("inspect", world.archive, "--json").document["result"]

    assert (found["format"], found["engine"], found["kind"], found["engine_version"][:2]) == (
        "change-log", "postgresql", "log", "15",
    )  # fmt: skip
    assert found["gaps"] == [] and found["timeline"] == 1
    assert found["log_from"] < world.last_lsn <= found["log_to"]
    assert found["first_at"] < found["last_at"]
    backup = sospes("inspect", world.backup, "--json").document["result"]
    assert found["system_identifier"] == backup["system_identifier"]
    text = sospes("inspect", world.archive).out
    assert "PostgreSQL 15 change log" in text and "commits" in text


def test_one_segment_and_the_small_files(world: World) -> None:
    one = segments(world.archive)[1]
    found = sospes("inspect", one, "--json").document["result"]
    begin = segment_head(one.read_bytes()[:40])
    assert begin is not None
    assert (found["log_from"], found["files"]) == (position(begin.start), 1)
    for path in [*world.archive.glob("*.backup"), *world.promoted.glob("*.history")]:
        assert (sospes("inspect", path, "--json").document["result"]["format"], verified(path).code) == (
            "change-log",
            0,
        )


@pytest.mark.parametrize(
    ("ending", "pack"),
    [
        pytest.param(".gz", gzip.compress, id="gzip"),
        pytest.param(".bz2", bz2.compress, id="bzip2"),
        pytest.param(".xz", lzma.compress, id="xz"),
        pytest.param(".lz4", lz4.frame.compress, id="lz4"),
        pytest.param(".zst", zstandard.ZstdCompressor().compress, id="zstandard"),
    ],
)
def test_packed_ones_each_on_its_own(world: World, tmp_path: Path, ending: str, pack: object) -> None:
    assert callable(pack)
    for path in segments(world.archive):
        (tmp_path / f"{path.name}{ending}").write_bytes(pack(path.read_bytes()))

    run = verified(tmp_path)

    plain = verified(world.archive).document["result"]
    assert (run.code, run.codes) == (0, [])
    assert run.document["result"]["records"] == plain["records"]
    assert (run.document["result"]["first_at"], run.document["result"]["last_at"]) == (
        plain["first_at"], plain["last_at"],
    )  # fmt: skip
    [damaged] = sorted(tmp_path.iterdir())[2:3]
    flip(damaged, damaged.stat().st_size // 2)
    assert verified(tmp_path).code == 1


def test_sound_ones_are_sound(world: World) -> None:
    for folder in (world.archive, world.promoted):
        run = verified(folder)
        assert (run.code, run.document["rung"]) == (0, "intact"), run.document["findings"]
    for one in segments(world.archive):
        assert verified(one).code == 0


def test_a_segment_on_standard_input(world: World) -> None:
    with segments(world.archive)[0].open("rb") as file:
        done = subprocess.run(
            [sys.executable, "-m", "sospes", "verify", "-", "--json"],
            stdin=file, capture_output=True, timeout=60, check=False,
        )  # fmt: skip
    assert (done.returncode, json.loads(done.stdout)["result"]["format"]) == (0, "change-log")


def test_damage_in_a_segment_on_standard_input(logs: Path) -> None:
    """Nobody knows how long it is before it ends: that makes it no cut one, of which damage is told already."""
    flip(segments(logs)[2], 300_000)
    with segments(logs)[2].open("rb") as file:
        done = subprocess.run(
            [sys.executable, "-m", "sospes", "verify", "-", "--json"],
            stdin=file, capture_output=True, timeout=60, check=False,
        )  # fmt: skip
    assert (done.returncode, json.loads(done.stdout)["findings"][0]["code"]) == (1, "log-damaged")


def test_moments_in_records(world: World) -> None:
    log = log_of(world.archive)
    times, points, ends = [], [], []
    for records in log.records(first_of(world.archive)):
        found = commits_in(records)
        times += [server_time(int(time)) for time in found.times[found.committed]]
        points += [name for _, _, name in restore_points_in(records)]
        ends += [start for start, _ in backup_ends_in(records)]

    known = [str(time).replace("+00:00", "+00") for time in times]
    assert any(world.started_at < time < world.deleted_at for time in known)
    assert points == [world.point]
    start = sospes("inspect", world.backup, "--json").document["result"]["log_from"]
    assert offset_of(start) in ends
    assert log.faults == [] and log.end is not None and log.end >= (offset_of(world.last_lsn) or 0)


def test_a_flip_in_any_record_is_found_and_placed(world: World, tmp_path: Path) -> None:
    """Every byte that a checksum covers: in a record's head, its body, and across a page's border."""
    chance = random.Random(7)
    path = segments(world.archive)[2]
    file = gather([path]).files[0]
    log = Log({file.head.start: file}.get, MIB, None)
    begin = first_begin(file, file.head.start, file.head, file.head.start)
    assert begin is not None
    places = [
        (int(at), int(end)) for records in log.records(begin)
        for at, end in zip(records.positions, records.ends, strict=True)
    ]  # fmt: skip
    for number in range(40):
        at, end = chance.choice(places)
        inside = at + chance.randrange(min(HEADER - 4, end - at))
        if inside % 8192 < 24 or (inside - at) in range(17, 20):  # a page's head; padding of the record's head
            continue
        target = tmp_path / str(number) / path.name
        target.parent.mkdir()
        shutil.copy(path, target)
        flip(target, inside % MIB, chance.randrange(8))
        run = verified(target)
        assert (run.code, run.codes[0]) == (1, "log-damaged"), (position(inside), run.document["findings"])
        told = run.document["findings"][0]["place"]["stored_from"]
        assert at % MIB // 8192 - 1 <= told // 8192 <= (end - 1) % MIB // 8192 + 1


def test_a_flip_in_the_head_of_a_page_is_found(world: World, tmp_path: Path) -> None:
    path = segments(world.archive)[2]
    missed = []
    for byte in range(20):
        target = tmp_path / str(byte) / path.name
        target.parent.mkdir()
        shutil.copy(path, target)
        flip(target, 5 * 8192 + byte, 1)
        run = verified(target)
        if (run.code, run.codes) != (1, ["log-damaged"]):
            missed.append((byte, run.codes))
    assert missed == []


def test_all_places_of_damage_are_told(logs: Path) -> None:
    one, other = segments(logs)[2:4]
    flip(one, 100_000)
    flip(one, 600_000)
    flip(other, 300_000)

    run = verified(logs)

    told = [
        (Path(finding["place"]["file"]).name, finding["place"]["stored_from"]) for finding in run.document["findings"]
    ]
    assert [name for name, _ in told] == [one.name, one.name, other.name]
    for (_, at), meant in zip(told, (100_000, 600_000, 300_000), strict=True):
        assert abs(at - meant) < 3 * 8192


@pytest.mark.parametrize("begin", [0, 8192, 400 * 1024])
def test_zeros_in_the_midst_are_found(logs: Path, begin: int) -> None:
    path = segments(logs)[2]
    data = bytearray(path.read_bytes())
    data[begin : begin + 16384] = bytes(16384)
    path.write_bytes(data)

    assert verified(logs).code != 0


def test_cut_missing_and_foreign_ones(world: World, logs: Path, tmp_path: Path) -> None:
    path = segments(logs)[2]
    whole = path.read_bytes()
    path.write_bytes(whole[:500_001])
    assert (verified(logs).code, verified(logs).codes[0]) == (1, "log-cut")
    assert sospes("inspect", logs, "--json").code == 1

    path.unlink()
    run = verified(logs)
    head = segment_head(whole)
    assert head is not None
    assert (run.code, run.codes) == (3, ["log-gap"])
    [gap] = run.document["result"]["gaps"]
    assert (gap["from"], gap["to"]) == (position(head.start), position(head.start + MIB))

    foreign = bytearray(whole)
    struct.pack_into("<Q", foreign, 24, head.system + 1)
    path.write_bytes(foreign)
    run = verified(logs)
    assert run.code == 3 and "log-foreign" in run.codes


def test_a_file_that_is_still_on_its_way(logs: Path) -> None:
    """Under a name of its own a short segment is a doubt; what is complete under the server's name counts before it."""
    whole = segments(logs)[2]
    (logs / f"{whole.name}.tmp").write_bytes(whole.read_bytes()[:300_000])
    run = verified(logs)
    assert (run.code, run.codes) == (3, ["log-cut"])


def test_names_that_say_something_else(logs: Path) -> None:
    """Old copies under a new name, and two that were swapped: what is in a file counts, and its name is told."""
    first, second, third = segments(logs)[1:4]
    shutil.copy(first, third.with_name(segment_name(1, 9 << 30, MIB)))
    run = verified(logs)
    assert (run.code, run.codes) == (1, ["log-misnamed"])

    third.with_name(segment_name(1, 9 << 30, MIB)).unlink()
    kept = first.read_bytes()
    first.write_bytes(second.read_bytes())
    second.write_bytes(kept)
    run = verified(logs)
    assert (run.code, set(run.codes)) == (1, {"log-misnamed"}) and len(run.codes) == 2


def test_what_lies_beside_and_what_only_has_the_name(logs: Path) -> None:
    (logs / "notes.txt").write_text("kept since spring\n")
    run = verified(logs)
    assert (run.code, run.document["findings"][-1]["code"]) == (0, "not-of-the-log")
    (logs / "000000010000000000000099").write_bytes(b"")
    run = verified(logs)
    assert (run.code, run.codes) == (1, ["log-damaged"])


def test_the_newest_one_is_half_filled(logs: Path) -> None:
    for path in segments(logs)[3:]:
        path.unlink()
    last = segments(logs)[-1]
    data = last.read_bytes()
    last.write_bytes(data[: 40 * 8192] + bytes(len(data) - 40 * 8192))

    run = verified(logs)

    assert run.code == 0 and run.codes in (["log-ends-in-segment"], [])


def test_timelines_and_their_histories(world: World, tmp_path: Path) -> None:
    logs = gather([world.promoted])
    system = logs.systems[0]
    way, unknown = newest_way(1, 0, logs, system)
    assert (way.timeline, unknown) == (2, [])
    switch = way.ends(1)
    assert switch is not None and way.at(switch // MIB * MIB, MIB) == [2, 1] and way.at(0, MIB) == [1]
    assert way_to(1, logs).timeline == 1
    assert newest_way(1, switch + 1, logs, system)[0].timeline == 1  # a backup that ended behind the branch

    copy = Path(shutil.copytree(world.promoted, tmp_path / "copy"))
    next(copy.glob("*.history")).unlink()
    run = verified(copy)
    assert (run.code, run.codes) == (3, ["history-missing"])


def test_a_backup_with_its_logs(world: World) -> None:
    run = verified(world.backup, "--with", world.archive)
    window = run.document["result"]["window"]
    assert run.code == 0, run.document["findings"]
    assert window["from_position"] < world.last_lsn <= window["to_position"]
    assert window["to"].replace("T", " ")[:19] >= world.deleted_at[:19]
    assert "any moment from" in sospes("verify", world.backup, "--with", world.archive, "--no-ledger").out

    farther = verified(world.backup, "--with", world.promoted).document["result"]["window"]
    assert (offset_of(farther["to_position"]) or 0) > (offset_of(window["to_position"]) or 0) > 0


def test_a_backup_with_logs_that_have_a_gap(world: World, logs: Path) -> None:
    gone = segments(logs)[-2]
    data = gone.read_bytes()
    gone.unlink()
    run = verified(world.backup, "--with", logs)
    assert (run.code, run.codes) == (3, ["log-gap"])
    assert gone.name in run.document["findings"][0]["message"]

    flipped = bytearray(data)
    flipped[200_000] ^= 1
    gone.write_bytes(flipped)
    run = verified(world.backup, "--with", logs)
    assert (run.code, run.codes[0]) == (1, "log-damaged")
    assert run.document["findings"][0]["place"]["file"].endswith(gone.name)


def test_a_backup_without_its_log_is_made_whole_by_an_archive(world: World, logs: Path, tmp_path: Path) -> None:
    bare = Path(shutil.copytree(world.backup, tmp_path / "bare", symlinks=True))
    for path in segments(bare / "pg_wal"):
        path.unlink()
    assert (verified(bare).code, verified(bare).codes) == (3, ["logs-missing"])
    assert verified(bare, "--with", logs).code == 0

    start = offset_of(sospes("inspect", bare, "--json").document["result"]["log_from"])
    assert start is not None
    needed = logs / segment_name(1, start // MIB * MIB, MIB)
    shutil.copy(segments(logs)[-1], needed)
    run = verified(bare, "--with", logs)
    assert run.code in {1, 3} and needed.name in run.document["findings"][0]["message"]


def test_logs_of_another_cluster_are_passed_over(world: World, tmp_path: Path) -> None:
    other = tmp_path / "other"
    other.mkdir()
    for path in segments(world.archive):
        data = bytearray(path.read_bytes())
        data[24] ^= 1
        (other / path.name).write_bytes(data)
    run = verified(world.backup, "--with", world.archive, "--with", other)
    assert (run.code, [finding["code"] for finding in run.document["findings"]]) == (0, ["log-foreign"])


def test_a_place_that_is_not_there(world: World) -> None:
    assert sospes("verify", world.backup, "--with", "/nowhere").code == 2


def _record(body: bytes, previous: int, manager: int = 0, kind: int = 0x20) -> bytes:
    """A record as servers write it."""
    head = struct.pack("<IIQBBxx", HEADER + len(body), 7, previous, kind, manager)
    return head + crc32c.crc32c(head, crc32c.crc32c(body)).to_bytes(4, "little") + body


def _segment(
    text: bytes, start: int = MIB, *, overwritten_at: int | None = None, breaks: dict[int, int] | None = None
) -> bytes:
    """A segment whose pages hold a text of records; `breaks` says how much of a record a page goes on with."""
    pages, at = [], 0
    for number in range(MIB // 8192):
        long = 40 if number == 0 else 24
        left = (breaks or {}).get(number, 0)
        flags = (2 if number == 0 else 0) | (8 if overwritten_at == number else 0) | (1 if left else 0)
        head = struct.pack("<HHIQI4x", 0xD110, flags, 1, start + number * 8192, left)
        head += struct.pack("<QII", 99, MIB, 8192) if number == 0 else b""
        pages.append(head + text[at : at + 8192 - long].ljust(8192 - long, b"\0"))
        at += 8192 - long
    return b"".join(pages)


@dataclass
class _Given:
    """A segment that is made up."""

    data: bytes
    timeline: int = 1
    latest: int = 1
    name: str = "made up"
    partial: bool = False

    def blocks(self) -> Iterator[bytes]:
        """Its bytes."""
        yield self.data


def test_a_record_that_a_crash_broke_off_is_legitimate() -> None:
    """The server marks the page behind it, and goes on there with another record."""
    first = _record(bytes(8104 - HEADER), 0)  # leaves eight bytes on its page
    broken = _record(bytes(500), MIB + 40)[:48]
    rest = _record(b"after", MIB + 40)
    text = first + broken + rest
    whole = _segment(text, overwritten_at=1)

    log = Log({MIB: _Given(whole)}.get, MIB, 99)
    found = [int(at) for records in log.records(MIB + 40) for at in records.positions]

    assert log.faults == []
    assert found == [MIB + 40, MIB + 8192 + 24]
    unmarked = Log({MIB: _Given(_segment(text))}.get, MIB, 99)
    assert list(unmarked.records(MIB + 40)) and unmarked.faults


def test_a_record_that_runs_over_whole_segments() -> None:
    body = random.Random(3).randbytes(2 * MIB + 5000)
    text = _record(body, 0)
    behind = _record(b"next", MIB + 40)
    text += bytes(-len(text) % 8) + behind
    data, at, length = {}, 0, HEADER + len(body)
    for number in range(3):
        start = (1 + number) * MIB
        room = MIB - 40 - 24 * (MIB // 8192 - 1)
        breaks, used = {}, at
        for page in range(MIB // 8192):
            if used < length and (number or page):
                breaks[page] = length - used
            used += 8192 - (24 if page else 40)
        data[start] = _Given(_segment(text[at : at + room], start, breaks=breaks))
        at += room

    log = Log(data.get, MIB, 99)
    found = [bytes(records.record(index)) for records in log.records(MIB + 40) for index in range(len(records.starts))]

    assert (log.faults, [len(one) for one in found]) == ([], [length, HEADER + 4])
    assert found[0][HEADER:] == body


def test_small_files_say_what_they_are() -> None:
    history = read_history(3, b"1\t0/3000000\tno recovery target specified\n\n# by hand\n2\t0/5000148\tbefore 10:00\n")
    assert history is not None and history.ancestors == ((1, 0x3000000), (2, 0x5000148))
    for wrong in (b"", b"# nothing\n", b"2\t0/1\n1\t0/2\n", b"words\n", b"3\t0/1\n"):
        assert read_history(3, wrong) is None
    assert read_note(b"words") is None
    assert named("000000010000000A000000FF.partial.gz", 1 << 24) == (1, (0xA << 32) + (0xFF << 24), True)
    assert named("000000010000000A000000FF.txt", 1 << 24) is None
    assert stated_time("2026-11-25 09:31:00 UTC") == "2026-11-25T09:31:00+00:00"
    assert stated_time("2026-11-25 09:31:00 XYZ") == "2026-11-25T09:31:00"


def test_a_position_that_no_log_reaches() -> None:
    head = struct.pack("<HHIQI4xQII", 0xD110, 2, 1, (1 << 64) - MIB, 0, 99, MIB, 8192)
    assert segment_head(head) is None
    assert segment_head(struct.pack("<HHIQI4xQII", 0xD110, 2, 1, MIB, 0, 99, MIB, 8192)) is not None


def test_what_is_no_plain_file_in_a_folder_of_logs(logs: Path) -> None:
    os.mkfifo(logs / "000000010000000000000077")
    (logs / "000000010000000000000078").symlink_to(segments(logs)[0])
    (logs / "away").symlink_to("/nowhere")
    run = verified(logs)
    assert run.code == 1 and set(run.codes) == {"log-damaged"}  # they have the names of segments, and hold none


def test_a_version_that_nobody_knows(logs: Path) -> None:
    """All of it understood is a note; what isn't may be another form, and is a doubt."""
    for path in segments(logs):
        data = bytearray(path.read_bytes())
        for at in range(0, len(data), 8192):
            if data[at : at + 2] == b"\x10\xd1":
                data[at : at + 2] = b"\x99\xd1"
        path.write_bytes(data)
    run = verified(logs)
    assert (run.code, run.document["findings"][0]["code"]) == (0, "version-unknown")
    flip(segments(logs)[2], 300_000)
    run = verified(logs)
    assert (run.code, run.codes) == (3, ["log-damaged"])


def test_a_clusters_own_folder(world: World, tmp_path: Path) -> None:
    """There, old segments lie under later names, and empty ones, to be filled."""
    own = Path(shutil.copytree(world.backup / "pg_wal", tmp_path / "pg_wal"))
    old = segments(world.archive)[0]
    shutil.copy(old, own / segment_name(1, 99 * MIB, MIB))
    (own / segment_name(1, 98 * MIB, MIB)).write_bytes(bytes(MIB))
    assert (own / "archive_status").is_dir()
    run = verified(own)
    assert (run.code, run.codes) == (0, []), run.document["findings"]


def test_a_segment_without_its_name_may_lead_to_a_new_timeline(world: World, tmp_path: Path) -> None:
    for number, path in enumerate(segments(world.promoted)):
        shutil.copy(path, tmp_path / f"piece {number}.wal")
        assert verified(tmp_path / f"piece {number}.wal").code == 0

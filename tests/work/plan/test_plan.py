"""Plans for restores: which backup and which logs, in which order, what is missing, and which moments can be reached."""

from __future__ import annotations

import os
import shutil
import tarfile
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

import pytest

from sospes.formats.base.members import Tars
from sospes.formats.opening import Opening
from sospes.model.errors import UsageError
from sospes.model.moments import MomentKind, offset_of, position, read_moment, server_time, time_of
from sospes.work.plan.plan import Planned, plan
from tests.conftest import Run, sospes
from tests.worlds import World

DUMPS = Path(__file__).parents[2] / "dumps"
servers = pytest.mark.servers


def planned(*words: str | Path) -> Run:
    """What a plan says."""
    return sospes("plan", *words, "--json")


def result(*words: str | Path) -> dict[str, Any]:
    """The result of a plan."""
    found: dict[str, Any] = planned(*words).document["result"]
    return found


def told(run: Run) -> list[str]:
    """The codes of all findings, notes too."""
    return [finding["code"] for finding in run.document["findings"]]


@servers
def test_a_backup_and_all_logs_in_order(world: World) -> None:
    run = planned(world.backup, world.archive)
    found = run.document["result"]

    assert (run.code, run.codes) == (0, [])
    assert [part["kind"] for part in found["parts"]] == ["full"] + ["log"] * (len(found["parts"]) - 1)
    starts = [offset_of(part["from"]) for part in found["parts"][1:]]
    assert starts == sorted(filter(None, starts)) and len(set(starts)) == len(starts)
    assert found["missing"] == [] and found["consistent_at"] == found["window"]["from_position"]
    assert (offset_of(found["would_reach"]["lsn"]) or 0) >= (offset_of(world.last_lsn) or 0)
    assert found["window"]["from"] < found["would_reach"]["time"] == found["window"]["to"]
    assert found["databases"] == ["template1", "template0", "postgres"]
    assert {"kind": "server", "name": "PostgreSQL 15", "databases": []} in found["needs"]
    assert any(need["kind"] == "locale" and "C.UTF-8" in need["name"] for need in found["needs"])
    assert found["space_bytes"] > sum(part["size_bytes"] for part in found["parts"]) * 0.9
    verified = sospes("verify", world.backup, "--with", world.archive, "--json", "--no-ledger").document["result"]
    assert verified["window"]["to_position"] == found["window"]["to_position"]


@servers
def test_what_it_prints(world: World) -> None:
    out = " ".join(sospes("plan", world.backup, world.archive).out.split())  # lines end where the terminal does
    assert out.startswith("PLANNED") and "in this order" in out and f"--with {world.archive}" in out
    assert "pg_wal" not in out.split("what to do")[1]


@servers
def test_moments_inside_of_the_window(world: World) -> None:
    run = planned(world.backup, world.archive, "--before", world.deleted_at)
    assert run.code == 0, run.document["findings"]
    assert run.document["result"]["would_reach"]["time"][:19].replace("T", " ") == world.deleted_at[:19]

    middle = position((offset_of(world.last_lsn) or 0) - (2 << 20))
    few = planned(world.backup, world.archive, "--until", f"lsn={middle}")
    assert (few.code, few.document["result"]["would_reach"]["lsn"]) == (0, middle)
    assert len(few.document["result"]["parts"]) < len(run.document["result"]["parts"])


@servers
def test_moments_outside_of_it(world: World) -> None:
    before = planned(world.backup, world.archive, "--until", "2001-01-01 00:00:00+00")
    assert (before.code, before.document["verdict"]) == (2, "unproven")
    assert "begins at" in before.document["findings"][0]["message"]
    past = planned(world.backup, world.archive, "--until", "2999-01-01")
    assert (past.code, past.codes) == (3, ["moment-past-end"])
    assert "zone-assumed" in told(past)
    assert planned(world.backup, world.archive, "--until", "lsn=FFFF/0").codes == ["moment-past-end"]
    assert planned(world.backup, world.archive, "--until", "lsn=0/10").code == 2


@servers
def test_moments_that_heads_do_not_tell(world: World) -> None:
    for moment in ("transaction=750", f"name={world.point}"):
        assert planned(world.backup, world.archive, "--before", moment).codes == ["moment-unseen"]
    assert planned(world.backup, world.archive, "--until", "gtid=0-11-24").code == 2


@servers
def test_missing_logs_are_named(world: World, tmp_path: Path) -> None:
    logs = Path(shutil.copytree(world.archive, tmp_path / "logs"))
    names = sorted(path.name for path in logs.iterdir() if len(path.name) == 24)
    (logs / names[-2]).unlink()

    run = planned(world.backup, logs)

    assert (run.code, run.codes) == (3, ["log-gap"])
    [missing] = run.document["result"]["missing"]
    assert names[-2] in missing["what"] and missing["from"] < missing["to"]
    assert run.document["result"]["window"]["to_position"] == missing["from"]
    assert planned(world.backup, logs, "--until", f"lsn={missing['from']}").code == 0


@servers
def test_a_backup_whose_own_log_is_nowhere(world: World, tmp_path: Path) -> None:
    bare = Path(shutil.copytree(world.backup, tmp_path / "bare"))
    for path in (bare / "pg_wal").glob("0*"):
        path.unlink()
    assert planned(bare).codes == ["logs-missing"]
    assert planned(bare, world.archive).code == 0


@servers
def test_over_a_promotion(world: World) -> None:
    found = result(world.backup, world.promoted)
    last = result(world.backup, world.archive)
    assert found["parts"][-1]["role"] == "timeline 2"
    assert any(part["role"] == "where timeline 2 begins" for part in found["parts"])
    assert (offset_of(found["window"]["to_position"]) or 0) > (offset_of(last["window"]["to_position"]) or 0)


@servers
def test_which_database(world: World) -> None:
    assert planned(world.backup, "--database", "postgres").code == 0
    missing = planned(world.backup, "--database", "harbour")
    assert missing.code == 2 and "postgres" in missing.document["findings"][0]["advice"]


@servers
def test_other_backups_of_the_same_database_are_told(world: World, tmp_path: Path) -> None:
    script = tmp_path / "dumps" / "postgres.sql"
    script.parent.mkdir()
    text = (DUMPS / "postgresql-18-schema.sql").read_text()
    script.write_text(text + "\nINSERT INTO nowhere VALUES (1);\n")
    several = planned(world.backup, script.parent)
    assert several.code == 2 and "--database" in several.document["findings"][0]["advice"]
    script.write_text(
        "--\n-- PostgreSQL database dump\n--\n\n-- Dumped from database version 15.3\n\\connect postgres\n"
    )
    assert "also-elsewhere" in told(planned(world.backup, script.parent, "--database", "postgres"))


def test_a_dump_is_its_own_plan(tmp_path: Path) -> None:
    dump = Path(shutil.copy(DUMPS / "postgresql-15.dump", tmp_path))
    run = planned(dump)
    found = run.document["result"]
    written = found["would_reach"]["time"]

    assert run.code == 0, run.document["findings"]
    assert [(part["path"], part["role"]) for part in found["parts"]] == [(str(dump), "everything")]
    assert (found["window"]["from"], found["window"]["to"]) == (written, written)
    assert found["needs_known"] and any(need["kind"] == "role" for need in found["needs"])
    late = (datetime.fromisoformat(written) + timedelta(days=1)).isoformat()
    assert planned(dump, "--until", late).codes == ["moment-past-end"]
    early = (datetime.fromisoformat(written) - timedelta(days=1)).isoformat()
    assert planned(dump, "--until", early).code == 2
    assert planned(dump, "--until", "lsn=0/10").code == 2


def test_of_several_dumps_the_newest_that_is_whole(tmp_path: Path) -> None:
    whole = (DUMPS / "mariadb-10.sql").read_bytes()
    (tmp_path / "1.sql").write_bytes(whole)
    (tmp_path / "2.sql").write_bytes(whole.replace(b"Dump completed", b"Dump com")[: len(whole) // 2])
    os.utime(tmp_path / "2.sql", (2_000_000_000, 2_000_000_000))
    run = planned(tmp_path, "--database", "harbour")
    assert Path(run.document["result"]["parts"][0]["path"]).name == "1.sql"

    (tmp_path / "1.sql").unlink()
    run = planned(tmp_path, "--database", "harbour")
    assert run.code == 1 and "backup-in-doubt" in run.codes and "undated" in told(run)


def test_places_without_a_backup(tmp_path: Path) -> None:
    (tmp_path / "notes.txt").write_text("nothing to see here\n")
    assert planned(tmp_path).code == 2
    assert planned(tmp_path / "nowhere").code == 2
    assert planned(tmp_path, "--until", "yesterday").code == 2
    assert sospes("plan", tmp_path, "--until", "2026-01-01", "--before", "2026-01-01").code == 2


@servers
def test_tars_whose_heads_do_not_tell(world: World, tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """Large packed tars are not looked through: what they may hold is in doubt."""

    folder = tmp_path / "tars"
    folder.mkdir()
    with tarfile.open(folder / "base.tar", "w", format=tarfile.USTAR_FORMAT) as tar:
        names = ["backup_label", *sorted(path.name for path in world.backup.iterdir() if path.name != "backup_label")]
        for name in names:
            if name not in {"pg_wal", "backup_manifest"}:
                tar.add(world.backup / name, name)
    monkeypatch.setattr(Tars, "looked_for_logs", lambda _: None)
    monkeypatch.setattr("sospes.formats.base.members._HEAD_BYTES", 1 << 16)
    outcome = plan([folder], Planned(opening=Opening(), database="postgres"))
    assert {finding.code for finding in outcome.findings} >= {"logs-unseen", "database-unseen"}


@pytest.mark.parametrize(
    ("text", "kind"),
    [
        ("2026-11-25T21:40:38.1+00:00", MomentKind.TIME),
        ("2026-11-25 21:40", MomentKind.TIME),
        ("2026-11-25", MomentKind.TIME),
        ("2026-11-25 21:40:38Z", MomentKind.TIME),
        ("2026-11-25 21:40:38+01", MomentKind.TIME),
        ("lsn=0/1109030", MomentKind.LSN),
        ("transaction=789", MomentKind.TRANSACTION),
        ("position=binlog.000002:14745", MomentKind.POSITION),
        ("gtid=0-11-24", MomentKind.GTID),
        ("name=before the import", MomentKind.NAME),
    ],
)
def test_moments_as_people_write_them(text: str, kind: MomentKind) -> None:
    moment = read_moment(text, before=True)
    assert (moment.kind, moment.before, moment.words) == (kind, True, text)
    if kind is MomentKind.TIME:
        assert moment.time is not None and moment.time.tzinfo is not None
        assert moment.zoned == (text[-1] == "Z" or "+" in text)


@pytest.mark.parametrize(
    "text", ["", "yesterday", "lsn=words", "lsn=", "transaction=-1", "2026-13-01", "at=12", "name="]
)
def test_what_names_no_moment(text: str) -> None:
    with pytest.raises(UsageError):
        read_moment(text, before=False)


def test_times_and_positions() -> None:
    assert server_time(0) == datetime(2000, 1, 1, tzinfo=UTC)
    assert server_time(1 << 62) is None
    assert (offset_of("1/2"), offset_of("1-2"), position(0x100000002)) == (0x100000002, None, "1/2")
    assert time_of(None) is None and time_of("words") is None
    found = time_of("2026-11-25T09:31:00")
    assert found is not None and found.tzinfo is not None

"""The ledger: what is written down, by whom, and that it stays."""

from __future__ import annotations

import io
import json
import os
import random
import shutil
import signal
import sqlite3
import subprocess
import sys
import time
from pathlib import Path
from xml.etree import ElementTree

import pytest

from sospes.places.registry import open_source
from sospes.stream.passing import PassedBytes, digest_of
from sospes.work.ledger.proof import Proof
from sospes.work.ledger.store import Ledger
from tests.backups import numbers, postgresql, tides
from tests.conftest import DUMPS, sospes, verdict_of
from tests.nights import night, verified_nights, written
from tests.servers import PostgresServer

PROGRAM = [sys.executable, "-m", "sospes"]


def proofs(*words: str | Path) -> list[dict[str, object]]:
    """The proofs that a ledger lists, newest first."""
    found: list[dict[str, object]] = sospes("ledger", "--json", "--limit", "1000", *words).document["result"]["proofs"]
    return found


def test_every_command_that_proves_something_writes_it_down(tmp_path: Path) -> None:
    backup = tmp_path / "night.sql"
    backup.write_bytes(tides())
    (tmp_path / "other.sql").write_bytes(tides())
    (tmp_path / "figures.toml").write_text('[[figure]]\ntable = "public.tide"\nrows = 40\n')
    runs: list[list[str | Path]] = [
        ["verify", backup], ["rehearse", backup], ["seal", backup], ["verify", "--quick", backup],
        ["compare", backup, tmp_path / "other.sql"], ["compare", backup, tmp_path / "figures.toml"],
    ]  # fmt: skip
    for words in runs:
        assert sospes(*words).code == 0
    sospes("inspect", backup)
    sospes("extract", backup, "tide", "--out", tmp_path / "tide.sql")

    found = proofs()

    assert [(item["command"], item["rung"], item["rows"]) for item in reversed(found)] == [
        ("verify", "intact", 40), ("rehearse", "loaded", 40), ("seal", "intact", 40), ("verify", "intact", 40),
        ("compare", "identified", 40), ("compare", "identified", None),
    ]  # fmt: skip
    assert {item["digest"] for item in found} == {digest_of(open_source([backup]))}
    assert {item["lineage"] for item in found} == {f"postgresql in {tmp_path}"}


def test_evidence_of_several_commands_adds_up_for_the_same_bytes(tmp_path: Path) -> None:
    backup = tmp_path / "night.sql"
    backup.write_bytes(tides())
    sospes("compare", backup, backup)
    sospes("verify", backup)
    assert sospes("ledger", backup, "--json").document["evidence"] == ["present", "identified", "intact", "matched"]
    assert sospes("ledger", backup, "--json").document["rung"] == "intact"

    sospes("rehearse", backup)

    assert sospes("ledger", backup, "--json").document["rung"] == "loaded"


def test_a_moved_file_keeps_its_proof_and_a_changed_byte_loses_it(tmp_path: Path) -> None:
    backup = written(tmp_path / "here", "night.sql", night(60), 1)
    sospes("verify", backup)
    moved = tmp_path / "there" / "of-yesterday.sql"
    moved.parent.mkdir()
    shutil.move(backup, moved)
    changed = tmp_path / "changed.sql"
    changed.write_bytes(moved.read_bytes().replace(b"tide", b"tidy", 1))

    assert verdict_of("ledger", moved) == ("sound", 0)
    run = sospes("ledger", changed, "--json")
    assert (run.code, run.codes) == (3, ["never-proven"])
    assert run.document["rung"] is None


def test_rows_that_differ_from_another_side_are_no_proof_against_a_backup(tmp_path: Path) -> None:
    backup, other = tmp_path / "night.sql", tmp_path / "other.sql"
    backup.write_bytes(night(40))
    other.write_bytes(night(41))
    sospes("verify", backup)

    assert sospes("compare", backup, other).code == 1

    assert verdict_of("ledger", backup) == ("sound", 0)


def test_bytes_that_were_called_unsound_are_not_proven(tmp_path: Path) -> None:
    backup = tmp_path / "night.sql"
    backup.write_bytes(tides()[:-40])
    assert sospes("verify", backup).code == 1

    run = sospes("ledger", backup, "--json")

    assert (run.code, run.codes) == (3, ["proof-failed"])
    assert "called these bytes unsound: " in run.document["findings"][0]["message"]


@pytest.mark.parametrize(
    "name", ["postgresql-15.dump", "postgresql-17.tar.gz", "postgresql-18-verbose.sql.zst", "mariadb-10.sql"]
)
def test_the_digest_is_taken_while_the_backup_is_read(name: str, monkeypatch: pytest.MonkeyPatch) -> None:
    """A second reading would take a large backup twice as long."""
    passed = []
    ended = PassedBytes.ended

    def seen(self: PassedBytes, size: int) -> None:
        ended(self, size)
        passed.append(self.digest)

    monkeypatch.setattr(PassedBytes, "ended", seen)
    monkeypatch.setattr("sospes.work.ledger.recording.digest_of", lambda *_: pytest.fail("it was read once more"))

    assert sospes("verify", DUMPS / name).code == 0

    assert passed[-1] == digest_of(open_source([DUMPS / name]))


def test_a_folder_and_pieces_have_digests_of_their_own(tmp_path: Path) -> None:
    shutil.copytree(DUMPS / "postgresql-18.dir", tmp_path / "a.dir")
    whole = (DUMPS / "postgresql-18.sql").read_bytes()
    for number, part in enumerate((whole[:50000], whole[50000:])):
        (tmp_path / f"night.sql.{number:03}").write_bytes(part)
    pieces = sorted(tmp_path.glob("night.sql.*"))

    sospes("verify", tmp_path / "a.dir")
    sospes("verify", *pieces)

    folder, split = (item["digest"] for item in reversed(proofs()))
    assert split == digest_of(open_source([DUMPS / "postgresql-18.sql"]))
    assert verdict_of("ledger", tmp_path / "a.dir") == ("sound", 0)
    next(path for path in (tmp_path / "a.dir").iterdir() if path.name != "toc.dat").rename(tmp_path / "a.dir" / "9.dat")
    assert verdict_of("ledger", tmp_path / "a.dir") == ("unproven", 3)
    assert folder != split


def test_standard_input_is_written_down_as_well(tmp_path: Path) -> None:
    done = subprocess.run([*PROGRAM, "verify", "-"], input=tides(), capture_output=True, timeout=60, check=False)
    assert done.returncode == 0, done.stderr

    [found] = proofs()

    assert (found["backup"], found["rows"], found["size_bytes"]) == ("-", 40, len(tides()))
    (tmp_path / "saved.sql").write_bytes(tides())
    assert verdict_of("ledger", tmp_path / "saved.sql") == ("sound", 0)


def test_nothing_is_written_where_nothing_is_wanted(tmp_path: Path, state: Path) -> None:
    (tmp_path / "night.sql").write_bytes(tides())
    (tmp_path / "settings.toml").write_text("[defaults]\nno-ledger = true\n")
    sospes("verify", tmp_path / "night.sql", "--no-ledger")
    sospes("verify", tmp_path / "night.sql", "--config", tmp_path / "settings.toml")

    run = sospes("ledger")

    assert run.code == 2 and "nothing was written down yet" in run.err
    assert not (state / "sospes" / "ledger.sqlite").exists()


def test_a_ledger_elsewhere(tmp_path: Path, state: Path) -> None:
    (tmp_path / "night.sql").write_bytes(tides())
    book = tmp_path / "books" / "pier.sqlite"

    sospes("verify", tmp_path / "night.sql", "--ledger", book)

    assert [item["command"] for item in proofs("--ledger", book)] == ["verify"]
    assert book.stat().st_mode & 0o777 == 0o600
    assert not (state / "sospes" / "ledger.sqlite").exists()


@pytest.mark.parametrize(
    ("content", "said"),
    [
        pytest.param(b"not a database at all, but some notes on boats", "can't be used", id="no-database"),
        pytest.param(None, "is a database, and no ledger", id="another-database"),
    ],
)
def test_a_ledger_that_is_none_costs_no_verdict(tmp_path: Path, content: bytes | None, said: str) -> None:
    (tmp_path / "night.sql").write_bytes(tides())
    book = tmp_path / "book.sqlite"
    if content is None:
        with sqlite3.connect(book) as connection:
            connection.execute("CREATE TABLE boat (id)")
        connection.close()
    else:
        book.write_bytes(content)
    before = book.read_bytes()

    run = sospes("verify", tmp_path / "night.sql", "--ledger", book, "--json")

    assert run.code == 0
    [note] = [found for found in run.document["findings"] if found["code"] == "ledger-not-written"]
    assert said in note["message"] and note["severity"] == "note"
    assert book.read_bytes() == before
    assert sospes("ledger", "--ledger", book).code in {2, 3}


def test_a_folder_that_cannot_be_written_costs_no_verdict(tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(tides())
    (tmp_path / "wall").write_text("")

    run = sospes("verify", tmp_path / "night.sql", "--ledger", tmp_path / "wall" / "book.sqlite", "--json")

    assert run.code == 0 and "ledger-not-written" in [found["code"] for found in run.document["findings"]]


def test_a_newer_ledger_is_left_alone(tmp_path: Path) -> None:
    book = tmp_path / "book.sqlite"
    with sqlite3.connect(book) as connection:
        connection.execute("PRAGMA user_version = 99")
    connection.close()

    run = sospes("ledger", "--ledger", book)

    assert run.code == 2 and "version 99" in run.err


@pytest.mark.parametrize(
    "change",
    [
        pytest.param("UPDATE proof SET tables = 'no document'", id="no-document"),
        pytest.param("UPDATE proof SET evidence = '[\"proven\"]'", id="no-rung"),
        pytest.param("UPDATE proof SET dated_at = 'yesterday'", id="no-time"),
        pytest.param("UPDATE proof SET tables = '[]'", id="no-tables"),
        pytest.param("UPDATE head SET head = '{\"version\": 1}'", id="half-a-head"),
        pytest.param("UPDATE head SET head = 'x'", id="no-head"),
        pytest.param("DROP TABLE head", id="a-table-gone"),
    ],
)
def test_a_ledger_that_was_changed_from_outside_costs_no_verdict(tmp_path: Path, change: str) -> None:
    (tmp_path / "night.sql").write_bytes(tides())
    book = tmp_path / "book.sqlite"
    sospes("survey", tmp_path, "--ledger", book)
    sospes("verify", tmp_path / "night.sql", "--ledger", book)
    with sqlite3.connect(book) as connection:
        connection.executescript(f"DROP TRIGGER proof_stays; {change}")
    connection.close()

    again = sospes("verify", tmp_path / "night.sql", "--ledger", book)
    looked = sospes("ledger", "--ledger", book)
    surveyed = sospes("survey", tmp_path, "--ledger", book)

    assert again.code == 0 and again.out.startswith("SOUND")
    assert looked.code in {0, 3} and surveyed.code in {0, 3}
    assert "inside Sospes" not in again.out + again.err + looked.err + surveyed.err


def test_a_ledger_with_flipped_bytes_costs_no_verdict(tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(tides())
    book = tmp_path / "book.sqlite"
    sospes("verify", tmp_path / "night.sql", "--ledger", book)
    whole = book.read_bytes()
    lots = random.Random(14)
    for _ in range(25):
        damaged = bytearray(whole)
        damaged[lots.randrange(100, len(damaged))] ^= 1 << lots.randrange(8)
        book.write_bytes(damaged)
        run = sospes("verify", tmp_path / "night.sql", "--ledger", book)
        looked = sospes("ledger", "--ledger", book)
        assert run.code == 0 and looked.code in {0, 2, 3}
        assert "inside Sospes" not in run.out + run.err + looked.err


def test_proofs_are_only_added(tmp_path: Path) -> None:
    book = tmp_path / "book.sqlite"
    (tmp_path / "night.sql").write_bytes(tides())
    sospes("verify", tmp_path / "night.sql", "--ledger", book)
    connection = sqlite3.connect(book)

    for statement in ("UPDATE proof SET verdict = 'sound'", "DELETE FROM proof"):
        with pytest.raises(sqlite3.IntegrityError, match="proofs are never"):
            connection.execute(statement)
    connection.close()


def test_several_processes_write_at_once(tmp_path: Path) -> None:
    book = tmp_path / "book.sqlite"
    paths = []
    for number in range(6):
        paths.append(tmp_path / f"{number}.sql")
        paths[-1].write_bytes(night(10 + number))
    running = [
        subprocess.Popen([*PROGRAM, "verify", str(path), "--ledger", str(book), "--quiet"], stdout=subprocess.DEVNULL)
        for path in paths
    ]

    assert [process.wait(60) for process in running] == [0] * 6
    assert sorted(str(item["backup"]) for item in proofs("--ledger", book)) == sorted(map(str, paths))


def test_a_killed_process_leaves_a_whole_ledger(tmp_path: Path) -> None:
    book = tmp_path / "book.sqlite"
    writer = (
        "import sys; from pathlib import Path; from dataclasses import replace\n"
        "from sospes.work.ledger.store import Ledger; from tests.work.ledger.test_ledger import PROOF\n"
        "print('on', flush=True)\n"
        f"while True: Ledger(Path({str(book)!r})).add(PROOF)\n"
    )
    plain = {name: value for name, value in os.environ.items() if name != "PYTHONSAFEPATH"}  # an earlier test's
    for _ in range(6):
        with subprocess.Popen([sys.executable, "-c", writer], stdout=subprocess.PIPE, env=plain, cwd=ROOT) as process:
            assert process.stdout is not None and process.stdout.readline() == b"on\n"
            time.sleep(0.15)
            process.send_signal(signal.SIGKILL)

        found = Ledger(book).proofs()

        assert all(proof == PROOF for proof in found)
    assert len(found) > 3
    connection = sqlite3.connect(book)
    assert connection.execute("PRAGMA integrity_check").fetchall() == [("ok",)]
    connection.close()


ROOT = Path(__file__).parents[3]
PROOF = Proof(
    lineage="postgresql harbour", base="postgresql harbour", backup="/srv/night.sql", digest="xxh3-128:00", size_bytes=5,
    format="sql-script", engine="postgresql", kind="full", written_at=None, dated_at="2026-11-30T03:00:00+00:00",
    command="verify", at="2026-11-30T04:00:00+00:00", side=None, rung="intact", verdict="sound",
    evidence=("present", "identified", "intact"), seconds=1.0, steps=(("read", 0.5),), rows=3, tables={"boat": 3, "crew": None},
    findings=(("schema-only", "note", "words"),),
)  # fmt: skip


def test_what_is_written_comes_back_the_same(tmp_path: Path) -> None:
    book = Ledger(tmp_path / "book.sqlite")
    book.add(PROOF)
    assert book.proofs() == book.proofs(lineage=PROOF.lineage) == book.proofs(digest=PROOF.digest) == [PROOF]
    assert book.proofs(lineage="another") == []


def test_names_that_are_no_characters_are_written_down(tmp_path: Path) -> None:
    odd = Path(os.fsdecode(os.fsencode(tmp_path) + b"/n\xffght.sql"))
    odd.write_bytes(tides())

    run = sospes("verify", odd, "--json")

    assert "ledger-not-written" not in [found["code"] for found in run.document["findings"]]
    assert r"n\udcffght.sql" in str(proofs()[0]["backup"])


def test_what_has_gone_stale(tmp_path: Path) -> None:
    book = Ledger(tmp_path / "book.sqlite")
    book.add(PROOF)

    told = sospes("ledger", "--ledger", book.path, "--json")
    asked = sospes("ledger", "--ledger", book.path, "--stale-after", "12h", "--json")
    patient = sospes("ledger", "--ledger", book.path, "--stale-after", "9000d", "--json")

    assert (told.code, asked.code, patient.code) == (0, 3, 0)
    assert asked.codes == ["proof-stale"]
    assert asked.document["result"]["stale"][0]["lineage"] == PROOF.lineage
    assert patient.document["result"]["stale"] == []


def test_how_long_restores_take_and_how_that_grows(tmp_path: Path) -> None:
    from dataclasses import replace

    book = Ledger(tmp_path / "book.sqlite")
    for day in range(1, 25):
        book.add(
            replace(
                PROOF, digest=f"d{day}", at=f"2026-11-{day:02}T04:00:00+00:00", dated_at=f"2026-11-{day:02}T03:00:00+00:00",
                command="rehearse", side="private", evidence=("present", "identified", "intact", "loaded"),
                seconds=60.0 + day,
            )
        )  # fmt: skip

    [standing] = sospes("ledger", "--ledger", book.path, "--json").document["result"]["lineages"]

    assert (standing["restore_seconds"], standing["restore_median"]) == (84.0, 72.5)
    assert standing["restore_growth"] == pytest.approx(30 / 72.5, rel=0.01)


def test_a_figure_of_all_nights(tmp_path: Path) -> None:
    verified_nights(tmp_path, [50, 52, 54, 56])
    picture, drawing = tmp_path / "nights.png", tmp_path / "nights.svg"

    assert sospes("ledger", "--figure", picture).code == 0
    assert sospes("ledger", "--figure", drawing).code == 0

    assert picture.read_bytes().startswith(b"\x89PNG")
    assert ElementTree.parse(io.BytesIO(drawing.read_bytes())).getroot().tag.endswith("svg")
    assert sospes("ledger", "--figure", picture).code == 2
    assert "no format of figures" in sospes("ledger", "--figure", tmp_path / "nights.xyz").err


def test_of_one_lineage_only(tmp_path: Path) -> None:
    sospes("verify", DUMPS / "mariadb-10.sql")
    sospes("verify", DUMPS / "postgresql-15.dump")

    assert {item["lineage"] for item in proofs("--of", "MARIA")} == {"mariadb harbour"}
    assert sospes("ledger", "--of", "lighthouse").code == 2


@pytest.mark.servers
def test_a_rehearsal_on_a_server_is_written_down_with_its_side(postgres: PostgresServer, tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(postgresql(numbers("public.tide", 20)))

    assert sospes("rehearse", tmp_path / "night.sql", "--side", postgres.address("postgres")).code == 0

    [found] = proofs()
    assert (found["rung"], found["rows"]) == ("consistent", 20)
    assert str(found["side"]).startswith("postgresql://") and json.dumps(found).count("password") == 0

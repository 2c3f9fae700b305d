"""The program as a whole: help, interruption, full disks, files left alone, and the rules of the house."""

from __future__ import annotations

import ast
import io
import json
import os
import resource
import signal
import sqlite3
import subprocess
import sys
import time
from pathlib import Path

import pytest

from sospes.cli.main import COMMANDS, main
from sospes.formats.opening import Opening, require_room
from sospes.model.errors import NoRoom
from sospes.report.progress import ProgressBar
from sospes.work.look.verify import Looking, verify
from tests.backups import copy_table, postgresql, tides
from tests.conftest import DUMPS, SCHEMA, VALIDATOR, sospes

SOURCE = Path(__file__).parents[2] / "src" / "sospes"
PROGRAM = [sys.executable, "-m", "sospes"]
COMMON = ["--json", "--quiet", "--config", "--work-folder"]


def big(path: Path, rows: int = 200_000) -> Path:
    """A backup that takes the program a second or two."""
    columns = [("id", "integer NOT NULL"), ("note", "text")]
    path.write_bytes(
        postgresql(copy_table("public.tide", columns, [[str(n), f"gauge {n} ok"] for n in range(rows)], "id"))
    )
    return path


@pytest.mark.parametrize("command", COMMANDS)
def test_help_says_first_what_a_command_is_for_and_ends_with_an_example(command: str) -> None:
    run = sospes(command, "--help")

    lines = run.out.strip().splitlines()
    assert lines[0].rstrip(".").casefold().startswith(COMMANDS[command].casefold()[:40])
    assert lines[-1].startswith(f"example: sospes {command}")
    assert all(option in run.out for option in COMMON)


def test_the_demo_shows_what_it_says(tmp_path: Path) -> None:
    begin = time.monotonic()
    run = sospes("demo", "--json", "--work-folder", tmp_path)

    assert run.code == 0
    assert time.monotonic() - begin < 60
    codes = {step["command"]: step["exit_code"] for step in run.document["result"]["steps"]}
    private = codes.pop("rehearse night.sql.gz --side private", 0)  # only where a server is installed
    taken = "extract cluster/base rescue.kit_check --with cluster/logs --before transaction=745 --out kit.sql"
    before = codes.pop(taken, 0)
    assert (private, before, [*codes.values()]) == (0, 0, [0, 0, 1, 1, 0, 1, 0, 0, 0, 1, 0, 0, 0, 0, 0, 1, 0])
    folder = Path(run.document["result"]["folder"])
    assert all((folder / name).exists() for name in ("crew.sql", "saved.sql.missing.jsonl", "fix.sql", "undo.sql"))
    assert "<!doctype html>" in (folder / "drill.html").read_text()
    text = sospes("demo", "--work-folder", tmp_path).out
    assert "last good moment, before the first of them: --before transaction=745" in text
    assert "A letter came to watch@rescue.example: sospes drill unsound: 2 unsound, 1 sound of 3 targets" in text
    assert "column status is set to 'done' in every row" in text
    assert "a contiguous range of 480 keys is missing, 4201 to 4680" in text


@pytest.mark.parametrize("ending", [signal.SIGINT, signal.SIGTERM, signal.SIGHUP])
@pytest.mark.parametrize("words", [["verify"], ["rehearse"], ["extract"], ["compare"]])
def test_interruption_ends_with_130_and_leaves_nothing(tmp_path: Path, words: list[str], ending: int) -> None:
    night = big(tmp_path / "night.sql", 2_500_000)
    work = tmp_path / "work"
    work.mkdir()
    more = {"extract": ["tide", "--out", str(tmp_path / "out.sql"), "--as", "csv"], "compare": [str(night)]}
    source = "-" if words == ["verify"] else str(night)  # it waits for the rest of its input, which never comes
    command = [*PROGRAM, *words, source, *more.get(words[0], []), "--work-folder", str(work)]
    before = signal.signal(ending, signal.default_int_handler)  # in a shell's background job it is ignored
    child = subprocess.Popen(command, stdin=subprocess.PIPE, stdout=subprocess.PIPE, stderr=subprocess.PIPE)
    signal.signal(ending, before)
    if source == "-" and child.stdin:
        child.stdin.write(tides()[:1000])
        child.stdin.flush()
    time.sleep(1.0)
    child.send_signal(ending)
    err = child.stderr.read() if child.stderr else b""
    child.communicate(timeout=60)

    assert child.returncode == 130, err
    assert b"Traceback" not in err and b"interrupted" in err
    assert list(work.iterdir()) == []
    assert sorted(path.name for path in tmp_path.iterdir()) == ["night.sql", "work"]


def test_an_interruption_that_was_wrapped_on_its_way_is_answered_as_one(
    monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    class Hit:
        def __set_name__(self, owner: type, name: str) -> None:
            raise KeyboardInterrupt

    def load(_name: str) -> None:
        type("Told", (), {"hit": Hit()})

    monkeypatch.setattr("importlib.import_module", load)

    assert main(["verify", "night.sql"]) == 130
    assert "interrupted" in capsys.readouterr().err


def test_a_full_disk_is_said_and_leaves_nothing_half_written(tmp_path: Path) -> None:
    night = big(tmp_path / "night.sql")

    def limited() -> None:
        signal.signal(signal.SIGXFSZ, signal.SIG_IGN)
        resource.setrlimit(resource.RLIMIT_FSIZE, (300_000, 300_000))

    for words in (["extract", str(night), "tide", "--out", str(tmp_path / "out.sql")], ["rehearse", str(night)]):
        command = [*PROGRAM, *words, "--work-folder", str(tmp_path)]
        done = subprocess.run(command, capture_output=True, timeout=60, check=False, preexec_fn=limited)
        assert done.returncode == 3, (done.stdout, done.stderr)
        assert b"Traceback" not in done.stderr and b"next:" in done.stderr
    assert [path.name for path in tmp_path.iterdir()] == ["night.sql"]


def test_too_little_room_is_refused_before_anything_is_written(tmp_path: Path) -> None:
    with pytest.raises(NoRoom, match="needs 1,152,921,504,606,846,976 bytes, only"):
        require_room(tmp_path, 1 << 60, "the side copy")


def test_an_output_is_kept_unless_told_otherwise(tmp_path: Path) -> None:
    (tmp_path / "a.sql").write_bytes(tides())
    out = tmp_path / "out.sql"
    out.write_text("mine")

    assert sospes("extract", tmp_path / "a.sql", "tide", "--out", out).code == 2
    assert out.read_text() == "mine"
    assert sospes("extract", tmp_path / "a.sql", "tide", "--out", out, "--overwrite").code == 0
    assert "COPY public.tide" in out.read_text()


def test_a_damaged_table_is_refused_and_another_is_not(tmp_path: Path) -> None:
    good = copy_table("public.a", [("x", "integer"), ("y", "text")], [["1", "b"]])
    bad = copy_table("public.b", [("x", "integer"), ("y", "text")], [["1", "b", "extra"], ["2", "c"]])
    (tmp_path / "a.sql").write_bytes(postgresql(good + bad))

    refused = sospes("extract", tmp_path / "a.sql", "b", "--out", tmp_path / "b.sql", "--json")
    assert (refused.code, refused.codes, refused.document["result"]["tables"]) == (1, ["row-shape"], [])
    assert not (tmp_path / "b.sql").exists()
    fine = sospes("extract", tmp_path / "a.sql", "a", "--out", tmp_path / "x.sql", "--json")
    assert (fine.code, fine.document["result"]["tables"][0]["rows"]) == (0, 1)
    assert fine.document["result"]["backup_bytes"] == (tmp_path / "a.sql").stat().st_size


def test_standard_output_gets_the_rows_and_nothing_else(tmp_path: Path) -> None:
    (tmp_path / "a.sql").write_bytes(tides())

    done = subprocess.run(
        [*PROGRAM, "extract", str(tmp_path / "a.sql"), "tide", "--as", "csv"],
        capture_output=True,
        timeout=60,
        check=True,
    )
    assert done.stdout.startswith(b"id,taken_at,height,note\r\n1,")
    assert done.stdout.count(b"\r\n") == 41
    assert b"SOUND" in done.stderr
    missing = subprocess.run(
        [*PROGRAM, "extract", str(tmp_path / "a.sql"), "tidy"], capture_output=True, timeout=60, check=False
    )
    assert (missing.returncode, missing.stdout) == (2, b"")
    assert b"did you mean public.tide?" in missing.stderr


def test_extract_into_a_side_copy_under_a_new_name(tmp_path: Path) -> None:
    copy = tmp_path / "side.sqlite"

    assert (
        sospes("extract", DUMPS / "postgresql-18.sql", "rescue.station", "--into", copy, "--new-name", "harbours").code
        == 0
    )
    side = sqlite3.connect(copy)
    assert side.execute('SELECT count(*) FROM "rescue.harbours"').fetchone() == (4,)
    side.close()
    assert sospes("extract", DUMPS / "postgresql-18.sql", "rescue.station", "--into", copy).code == 2


@pytest.mark.parametrize(
    ("body", "code"),
    [
        (copy_table("public.a", [("x", "integer NOT NULL")], [["1"], ["1"]], "x"), "key-repeated"),
        (copy_table("public.a", [("x", "numeric NOT NULL")], [["1.0"], ["1.00"]], "x"), "key-repeated"),
        (copy_table("public.a", [("x", "text NOT NULL")], [["a"], ["\\N"]], "x"), "null-forbidden"),
        (copy_table("public.a", [("x", "integer CHECK (x > 0)")], [["1"], ["-1"]]), "check-broken"),
        (copy_table("public.a", [("x", "integer")], [["1"], ["one"]]), "value-unreadable"),
        (copy_table("public.a", [("x", "bigint")], [["9223372036854775808"]]), "value-unreadable"),
        (copy_table("public.a", [("x", "bytea")], [["\\\\xZZ"]]), "value-unreadable"),
    ],
)
def test_rows_that_their_own_server_would_refuse(tmp_path: Path, body: bytes, code: str) -> None:
    (tmp_path / "a.sql").write_bytes(postgresql(body))

    run = sospes("rehearse", tmp_path / "a.sql", "--json")

    assert (run.code, run.codes[0], run.document["rung"]) == (1, code, "identified")
    assert run.codes[1:] == (["table-refused"] if code == "value-unreadable" else [])


@pytest.mark.parametrize("kind", ["integer", "numeric"])
def test_references_are_checked_by_the_meaning_of_their_type(tmp_path: Path, kind: str) -> None:
    parent = copy_table("public.a", [("x", f"{kind} NOT NULL")], [["1"], ["2"]], "x")
    key = b"ALTER TABLE ONLY public.b\n    ADD CONSTRAINT b_a FOREIGN KEY (x) REFERENCES public.a(x);\n"
    same = "1.0" if kind == "numeric" else "1"
    for rows, expected in (([[same], ["\\N"]], []), ([[same], ["3"]], ["reference-broken"])):
        (tmp_path / "a.sql").write_bytes(postgresql(parent + copy_table("public.b", [("x", kind)], rows) + key))
        assert sospes("rehearse", tmp_path / "a.sql", "--json").codes == expected


def test_settings_from_a_file_and_unknown_ones_refused(tmp_path: Path) -> None:
    (tmp_path / "a.sql").write_bytes(tides())
    (tmp_path / "good.toml").write_text(f'[defaults]\nquiet = true\nwork-folder = "{tmp_path}"\n')
    (tmp_path / "bad.toml").write_text("[defaults]\nspeed = 11\n")

    loud = sospes("verify", tmp_path / "a.sql").out
    assert len(sospes("verify", tmp_path / "a.sql", "--config", tmp_path / "good.toml").out) < len(loud)
    refused = sospes("verify", tmp_path / "a.sql", "--config", tmp_path / "bad.toml")
    assert (refused.code, "speed" in refused.err) == (2, True)


def test_names_cannot_steer_the_terminal(tmp_path: Path) -> None:
    name = b'public."\x1b[2Jcleared\x07"'
    (tmp_path / "a.sql").write_bytes(
        postgresql(b"CREATE TABLE " + name + b" (a integer);\n\nCOPY " + name + b" (a) FROM stdin;\n1\n\\.\n")
    )

    out = sospes("verify", tmp_path / "a.sql").out

    assert "\x1b" not in out and "\x07" not in out and "cleared" in out


def test_the_core_prints_nothing_and_asks_for_no_terminal() -> None:
    for path in SOURCE.rglob("*.py"):
        room = path.relative_to(SOURCE).parts[0]
        if room in {"cli", "report", "__main__.py", "start.py"}:
            continue
        for node in ast.walk(ast.parse(path.read_text())):
            if isinstance(node, ast.Import | ast.ImportFrom):
                names = [getattr(node, "module", None) or "", *(alias.name for alias in node.names)]
                assert not {"rich", "argparse", "sospes.cli", "sospes.report"} & set(names), path
            if isinstance(node, ast.Call) and isinstance(node.func, ast.Name):
                assert node.func.id not in {"print", "input", "exit"}, path
            if isinstance(node, ast.Attribute) and isinstance(node.value, ast.Name):
                assert (node.value.id, node.attr) not in {("sys", "exit"), ("os", "environ"), ("sys", "stdout")}, path


def test_the_core_brings_no_user_interface_along() -> None:
    check = "import sys, sospes.work.compare.compare, sospes.work.extract.extract, sospes.work.restore.embedded; print(*sorted(sys.modules))"
    loaded = subprocess.run(
        [sys.executable, "-c", check], capture_output=True, text=True, timeout=60, check=True
    ).stdout.split()

    assert not {"rich", "argparse", "sqlglot", "pandas"} & set(loaded)


def test_the_schema_is_strict_where_it_matters() -> None:
    good = sospes("verify", DUMPS / "postgresql-18.sql", "--json").document
    for change in ({"verdict": "fine"}, {"rung": "proven"}, {"extra": 1}, {"result": {"tables": 3}}):
        assert not VALIDATOR.is_valid({**good, **change})
    assert json.loads((SOURCE / "report" / "schema.json").read_text()) == SCHEMA


def test_as_a_child_process_with_colour_off(tmp_path: Path) -> None:
    (tmp_path / "a.sql").write_bytes(tides())

    done = subprocess.run(
        [*PROGRAM, "verify", str(tmp_path / "a.sql")],
        capture_output=True,
        timeout=60,
        check=True,
        env={**os.environ, "NO_COLOR": "1"},
    )

    assert done.stdout.startswith(b"SOUND") and b"\x1b" not in done.stdout
    assert done.stderr == b""


def test_the_readme_shows_what_the_program_prints(tmp_path: Path) -> None:
    readme = (SOURCE.parent.parent / "README.md").read_text()
    backup = SOURCE / "demo" / "night-cut.sql.gz"

    shown = [line[4:] for line in readme.split("$ sospes verify night-cut.sql.gz\n")[1].split("\n\n")[0].splitlines()]
    printed = sospes("verify", backup).out.replace(str(backup), "night-cut.sql.gz").splitlines()

    assert shown == [line.rstrip() for line in printed if not line.startswith("  read ")]
    for command in COMMANDS:
        assert f"sospes {command}" in readme


def test_a_reader_who_goes_away_is_no_fault_of_the_backup(tmp_path: Path) -> None:
    (tmp_path / "a.sql").write_bytes(postgresql(copy_table("rescue.a", [("x", "integer")], [["1"]])))
    child = subprocess.Popen(
        [*PROGRAM, "verify", str(tmp_path / "a.sql")], stdout=subprocess.PIPE, stderr=subprocess.PIPE
    )
    assert child.stdout is not None
    child.stdout.close()
    child.stdout = None
    assert child.communicate()[1] == b"" and child.returncode == 0, "the verdict counts, whoever reads it"


class _Terminal(io.StringIO):
    def isatty(self) -> bool:
        return True


def test_progress_names_the_table_its_rows_and_their_rate(monkeypatch: pytest.MonkeyPatch) -> None:
    clock = [100.0]
    monkeypatch.setattr("sospes.report.progress.time.monotonic", lambda: clock[0])
    stream = _Terminal()
    with ProgressBar(stream, "restoring", 1000, quiet=False) as bar:
        for clock[0], done, table, rows in (
            (102.0, 1, "rescue.boat", 10), (103.0, 100, "rescue.station", 100), (105.0, 500, "rescue.station", 9000),
        ):  # fmt: skip
            bar(done, table, rows)
        assert bar.words(9000) == "restoring rescue.station: 9,000 rows, 4,500 rows/s"
    assert "restoring rescue.station" in stream.getvalue()


def test_events_say_what_is_under_way(tmp_path: Path) -> None:
    (tmp_path / "a.sql").write_bytes(postgresql(copy_table("rescue.a", [("x", "integer")], [["1"], ["2"]])))
    heard: list[tuple[str, int]] = []

    def hear(done: int, doing: str = "", rows: int = 0) -> None:
        heard.append((doing, rows))

    verify([tmp_path / "a.sql"], Looking(opening=Opening(), progress=hear))
    assert ("rescue.a", 2) in heard


def test_a_hangup_that_is_ignored_stays_ignored(tmp_path: Path) -> None:
    """As by nohup, or in a night's job whose terminal closes."""
    before = signal.signal(signal.SIGHUP, signal.SIG_IGN)
    try:
        child = subprocess.Popen([*PROGRAM, "verify", "-"], stdin=subprocess.PIPE, stdout=subprocess.PIPE)
    finally:
        signal.signal(signal.SIGHUP, before)
    assert child.stdin is not None
    child.stdin.write(tides()[:1000])
    child.stdin.flush()
    time.sleep(0.5)
    child.send_signal(signal.SIGHUP)

    child.communicate(tides()[1000:], timeout=60)

    assert child.returncode == 0

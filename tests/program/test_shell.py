"""What a shell and a reader of manuals get: how a line goes on, and a manual page."""

from __future__ import annotations

import os
import subprocess
import sys
from pathlib import Path

import pytest

from sospes.cli.main import COMMANDS
from tests.backups import copy_table, postgresql
from tests.conftest import sospes

MANUAL = Path(__file__).parents[2] / "docs" / "sospes.1"
START = "import sys; sys.argv[0] = 'sospes'; from sospes.start import entry; entry()"


def _offered(line: str, folder: Path) -> set[str]:
    """What the shell is offered behind a line."""
    answer = folder / "answer"
    environment = {
        **os.environ, "_ARGCOMPLETE": "1", "COMP_LINE": line, "COMP_POINT": str(len(line.encode())),
        "_ARGCOMPLETE_IFS": "\n", "_ARGCOMPLETE_STDOUT_FILENAME": str(answer), "COMP_TYPE": "9",
    }  # fmt: skip
    subprocess.run([sys.executable, "-c", START], env=environment, cwd=folder, check=False, timeout=60)
    return set(answer.read_text().split()) if answer.exists() else set()


def test_a_line_goes_on_with_commands_options_profiles_and_tables_of_a_sealed_backup(tmp_path: Path) -> None:
    pytest.importorskip("argcomplete")
    tables = copy_table("rescue.boat", [("id", "integer")], [["1"]]) + copy_table(
        "rescue.crew", [("id", "integer")], []
    )
    (tmp_path / "night.sql").write_bytes(postgresql(b"CREATE SCHEMA rescue;\n" + tables))
    (tmp_path / "sospes.toml").write_text(
        '[profiles.live]\nurl = "postgresql://h/d"\n[profiles.lab]\nurl = "mariadb://h/d"\n'
    )
    assert sospes("seal", tmp_path / "night.sql").code == 0

    assert _offered("sospes ", tmp_path) >= set(COMMANDS)
    assert _offered("sospes hand", tmp_path) == {"handover"}
    assert "--with-dependants" in _offered("sospes extract --with", tmp_path)
    assert _offered("sospes compare --config sospes.toml night.sql @l", tmp_path) == {"@live", "@lab"}
    assert _offered("sospes extract night.sql rescue.b", tmp_path) == {"rescue.boat"}
    assert _offered("sospes compare night.sql x --table rescue.", tmp_path) == {"rescue.boat", "rescue.crew"}
    assert _offered("sospes extract nowhere.sql rescue.b", tmp_path) == set()
    assert "night.sql" in _offered("sospes verify ni", tmp_path)


def test_the_manual_page_is_current() -> None:
    pytest.importorskip("argparse_manpage")
    code = "from tools.manual import manual; import sys; sys.stdout.write(manual())"
    made = subprocess.run(
        [sys.executable, "-c", code], capture_output=True, text=True, check=True, cwd=MANUAL.parents[1]
    )
    assert made.stdout == MANUAL.read_text(), "make manual writes it"


def test_the_manual_page_can_be_read_and_names_every_command() -> None:
    text = MANUAL.read_text()
    for command in COMMANDS:
        assert f",{command}" in text.replace("\\", "")

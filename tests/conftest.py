"""Shared by all tests: running the program, real dumps, servers."""

from __future__ import annotations

import contextlib
import io
import json
import os
import shutil
import tempfile
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Any

import hypothesis
import jsonschema
import pytest

from sospes.cli.main import main
from tests.servers import MariadbServer, PostgresServer, postgres_folders
from tests.worlds import World, make_world

hypothesis.settings.register_profile(  # how long an example takes says how busy the machine is, and nothing else
    "patient", deadline=None, suppress_health_check=[hypothesis.HealthCheck.too_slow]
)
hypothesis.settings.load_profile("patient")
DUMPS = Path(__file__).parent / "dumps"
INPUTS = Path(__file__).parent / "inputs"
SCHEMA = json.loads((Path(__file__).parent.parent / "src/sospes/report/schema.json").read_text())
VALIDATOR = jsonschema.Draft202012Validator(SCHEMA)


@pytest.fixture(scope="session", autouse=True)
def own_temporary_folder() -> Iterator[None]:
    """A temporary folder for each process that runs tests: what one of them makes and looks for is none of another's."""
    if "PYTEST_XDIST_WORKER" not in os.environ:
        yield
        return
    with tempfile.TemporaryDirectory(prefix="sospes-tests-") as name:
        Path(name).chmod(0o755)
        before, os.environ["TMPDIR"] = os.environ.get("TMPDIR"), name
        tempfile.tempdir = None
        yield
        tempfile.tempdir = None
        if before is None:
            del os.environ["TMPDIR"]
        else:
            os.environ["TMPDIR"] = before


@dataclass(frozen=True)
class Run:
    """What a run of the program gave back."""

    code: int
    out: str
    err: str

    @property
    def document(self) -> dict[str, Any]:
        """The JSON document, held against the schema that ships with the package."""
        document: dict[str, Any] = json.loads(self.out)
        VALIDATOR.validate(document)
        return document

    @property
    def codes(self) -> list[str]:
        """The codes of all findings that are more than notes."""
        return [found["code"] for found in self.document["findings"] if found["severity"] != "note"]


def folder_for_all(folder: Path) -> Path:
    """The folder, where now everybody may get to and write."""
    for path in (folder, *folder.parents):
        with contextlib.suppress(PermissionError):
            path.chmod(path.stat().st_mode | 0o055)
        if path == Path("/tmp"):
            break
    folder.chmod(0o777)
    return folder


def sospes(*words: str | Path) -> Run:
    """Run the program in this process."""
    out, err = io.StringIO(), io.StringIO()
    with contextlib.redirect_stdout(out), contextlib.redirect_stderr(err):
        try:
            code = main([str(word) for word in words])
        except SystemExit as stopped:
            code = int(stopped.code or 0)
    assert "Traceback" not in err.getvalue()
    return Run(code, out.getvalue(), err.getvalue())


def verdict_of(*words: str | Path) -> tuple[str, int]:
    """The verdict and the exit code of a run."""
    run = sospes(*words, "--json")
    return run.document["verdict"], run.code


def _servers_or_skip(reason: str) -> None:
    if os.environ.get("SOSPES_SERVERS_REQUIRED"):
        pytest.fail(f"servers are required here: {reason}")
    pytest.skip(reason)


@pytest.fixture(scope="session", autouse=True)
def state(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Path]:
    """A state folder of the tests' own: nothing of the user's is touched."""
    before, folder = os.environ.get("XDG_STATE_HOME"), tmp_path_factory.mktemp("state")
    os.environ["XDG_STATE_HOME"] = str(folder)
    yield folder
    if before is None:
        del os.environ["XDG_STATE_HOME"]
    else:
        os.environ["XDG_STATE_HOME"] = before


@pytest.fixture(autouse=True)
def fresh_ledger(state: Path) -> None:
    """What one test has proven is none of another's business."""
    (state / "sospes" / "ledger.sqlite").unlink(missing_ok=True)


@pytest.fixture(scope="session")
def postgres() -> Iterator[PostgresServer]:
    """A PostgreSQL server with the awkward database `harbour` in it."""
    if not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    with PostgresServer() as server:
        server.run_sql("postgres", "CREATE DATABASE harbour")
        server.run_sql("harbour", (INPUTS / "nasty_postgresql.sql").read_text())
        yield server


@pytest.fixture(scope="session")
def world(tmp_path_factory: pytest.TempPathFactory) -> World:
    """A base backup and the log that follows it."""
    if not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    return make_world(folder_for_all(tmp_path_factory.mktemp("world")))


@pytest.fixture(scope="session")
def mariadb() -> Iterator[MariadbServer]:
    """A MariaDB server with the awkward databases `harbour` and `archive` in it."""
    if not shutil.which("mariadbd"):
        _servers_or_skip("no MariaDB server binaries on this machine")
    with MariadbServer() as server:
        server.run_sql("", (INPUTS / "nasty_mariadb.sql").read_text())
        yield server


def left_on(server: str, *more: str) -> list[dict[str, Any]]:
    """Databases, roles and accounts of side copies that a server still has."""
    found: list[dict[str, Any]] = sospes("tidy", server, *more, "--json").document["result"]["left"]
    return [item for item in found if item["kind"] in {"database", "role", "account"}]


def assert_sound(*words: str | Path) -> None:
    """Compare, and see both sides agree."""
    document = sospes("compare", *words, "--json").document
    assert document["verdict"] == "sound", document["findings"]

"""A small cluster, a base backup of it, and a copy of that to be damaged."""

from __future__ import annotations

import shutil
from collections.abc import Iterator
from pathlib import Path

import pytest

from tests.conftest import _servers_or_skip, folder_for_all
from tests.formats.bases import FILL
from tests.servers import PostgresServer, postgres_folders


@pytest.fixture(scope="module")
def cluster() -> Iterator[PostgresServer]:
    """A small cluster with page checksums and segments of 1 MiB."""
    if not postgres_folders():
        _servers_or_skip("no PostgreSQL server binaries on this machine")
    with PostgresServer(None, "--data-checksums", "--wal-segsize=1") as server:
        server.run_sql("postgres", "ALTER SYSTEM SET wal_keep_size = '64MB'")
        server.run_sql("postgres", "SELECT pg_reload_conf()")
        server.run_sql("postgres", FILL)
        yield server


@pytest.fixture(scope="module")
def plain(cluster: PostgresServer, tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A base backup as a folder, with a manifest of SHA-256."""
    folder = folder_for_all(tmp_path_factory.mktemp("plain"))
    return cluster.base_backup(folder / "base", "--manifest-checksums=SHA256", "-l", "nightly of the pier")


@pytest.fixture
def copy(plain: Path, tmp_path: Path) -> Path:
    """A copy of it, to be damaged."""
    return Path(shutil.copytree(plain, tmp_path / "copy", symlinks=True))

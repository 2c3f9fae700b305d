"""Shared by the tests of hostile backups."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

import pytest

from tests.conftest import folder_for_all


@pytest.fixture
def canary(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Path]:
    """A file that nobody may make, in a folder where everybody may."""
    folder = folder_for_all(tmp_path_factory.mktemp("canary"))
    yield folder / "out"
    assert list(folder.iterdir()) == [], "something came out"

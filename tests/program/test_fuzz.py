"""A bounded run of the fuzz target."""

from __future__ import annotations

import pytest

from tests.fuzz import run


@pytest.mark.parametrize("seed", [1, 2])
def test_no_reader_fails_on_damaged_backups(seed: int) -> None:
    assert run(6, seed) > 20

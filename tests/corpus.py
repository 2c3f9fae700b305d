"""Sound backups of nasty databases, made on real servers by a generator that lies beside this repository.

They are looked for where the variable SOSPES_CORPUS says; CI makes them anew.
"""

from __future__ import annotations

import json
import os
from dataclasses import dataclass
from pathlib import Path
from typing import Any

_LOGICAL = frozenset(
    "pg-plain pg-plain-cluster pg-custom pg-directory pg-tar maria-plain sqlite-db sqlite-dump".split()
)


@dataclass(frozen=True)
class Backup:
    """A backup and what is known of it."""

    name: str
    path: Path
    facts: dict[str, Any]
    states: tuple[dict[str, Any], ...]

    @property
    def has_definitions(self) -> bool:
        """Whether it can be restored by itself."""
        return bool(self.facts.get("has_schema", True)) and "section_post-data" not in self.name

    @property
    def says_that_it_is_whole(self) -> bool:
        """Whether header or closing line are there: a script without comments can't be proven whole."""
        return "compact" not in self.name and "skip_comments" not in self.name


def _read() -> tuple[Backup, ...]:
    folder = os.environ.get("SOSPES_CORPUS")
    if not folder:
        return ()
    truth = json.loads((Path(folder) / "truth.json").read_text())
    return tuple(
        Backup(name, Path(folder) / name, facts, tuple(truth["states"][state] for state in facts.get("states", ())))
        for name, facts in truth["files"].items()
        if facts["kind"] in _LOGICAL and facts["sound"]
    )


BACKUPS = _read()

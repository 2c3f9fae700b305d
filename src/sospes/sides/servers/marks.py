"""Names and marks of the databases that Sospes makes on servers in use: only what carries its mark is ever dropped."""

from __future__ import annotations

import json
import re
from dataclasses import dataclass
from datetime import UTC, datetime

PREFIX = "sospes_"
LONGEST_NAME = 63
MARK = "made by sospes: "
MARK_TABLE = "sospes_mark"
"""The table that marks a database where databases have no comments; it holds one text."""

_PREFIX = re.compile(r"[a-z][a-z0-9_]{0,19}")


def is_prefix(text: str) -> bool:
    """Whether names may begin with it: a lower-case letter, then at most 19 letters, digits and underscores."""
    return _PREFIX.fullmatch(text) is not None


@dataclass(frozen=True, slots=True)
class Naming:
    """How side copies of one run are named: prefix, the database's name in the backup, and the time in UTC.

    For example `sospes_harbour_20261123_141502`. `only` is the name of the only database, where entries name none.
    """

    prefix: str
    backup: str
    when: datetime
    only: str | None = None

    def name(self, database: str | None) -> str:
        """The name on the server for a database of the backup; None stands for the only one."""
        stamp = self.when.astimezone(UTC).strftime("_%Y%m%d_%H%M%S")
        plain = re.sub(r"[^a-z0-9]+", "_", (database or self.only or "side").lower()).strip("_") or "side"
        return self.prefix + plain[: LONGEST_NAME - len(self.prefix) - len(stamp)] + stamp

    @property
    def mark(self) -> str:
        """What is written on a database that was made."""
        return MARK + json.dumps({"backup": self.backup, "at": self.when.astimezone(UTC).isoformat(timespec="seconds")})


@dataclass(frozen=True, slots=True)
class Marked:
    """A database that carries the mark: its name on the server, the backup it was made from, and when.

    bytes   its size, where the server tells
    in_use  whether somebody is connected to it
    """

    name: str
    backup: str
    made_at: str
    bytes: int | None
    in_use: bool


def read_mark(name: str, text: str | None, size: int | None, connections: int) -> Marked | None:
    """What the mark on a database says; None if it is no mark of ours."""
    if text is None or not text.startswith(MARK):
        return None
    try:
        found = json.loads(text.removeprefix(MARK))
        return Marked(name, str(found["backup"]), str(found["at"]), size, connections > 0)
    except (ValueError, KeyError, TypeError):
        return None

"""Ways by which the author of a backup may try to reach out of its side copy: a file for each, by engine.

Those in `told` are written by no server and no backup program: reading alone tells them. Those in `held` look like what
databases legitimately hold (functions of untrusted languages, roles, foreign tables, code in triggers and expressions):
they are sound as bytes, and what they do on a private server is held by its walls.

A file begins with what is tried, the finding that tells it, and on which sides it is refused or confined; the rest is
what stands in the backup, `{canary}` in place of a file that must not appear.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from pathlib import Path

from tests.backups import copy_table, mysql, postgresql

_TIDE = copy_table("public.tide", [("id", "integer")], [["1"]])
_SHIP = b"CREATE TABLE `tide` (\n  `id` int(11) DEFAULT NULL\n);\nINSERT INTO `tide` VALUES (1);\n"
_FOLDER = Path(__file__).with_name("ways")


@dataclass(frozen=True, slots=True)
class Way:
    """One way: what is tried, the finding that is expected of reading, and the text."""

    engine: str
    name: str
    tries: str
    finding: str
    text: str

    def written(self, canary: Path) -> str:
        """The text, with a file's name in it."""
        return self.text.replace("{canary}", str(canary))


def ways(engine: str, kind: str) -> list[Way]:
    """All ways of an engine, `told` or `held`."""
    return [_read(path, engine) for path in sorted((_FOLDER / engine / kind).glob("*.sql"))]


def _read(path: Path, engine: str) -> Way:
    tries, finding, sides, text = path.read_bytes().decode().split("\n", 3)
    assert tries.startswith("-- tries: ") and finding.startswith("-- finding: ") and sides.startswith("-- sides: ")
    return Way(engine, path.stem, tries[10:], finding[12:], text.removesuffix("\n"))


def backup(engine: str, way: str, *, first: bool = False) -> bytes:
    """A backup with a way behind its one table, or before it."""
    text = way.encode() + b"\n\n"
    if engine == "postgresql":
        return postgresql(text + _TIDE if first else _TIDE + text)
    return mysql(text + _SHIP if first else _SHIP + text)


def all_at_once(engine: str, canary: Path) -> bytes:
    """A backup with all ways of an engine, those first that look legitimate; each has a function of its own."""
    return backup(
        engine,
        "\n\n".join(
            re.sub(r"\bpublic\.f\b", f"public.f{number}", way.written(canary))
            for number, way in enumerate([*ways(engine, "held"), *ways(engine, "told")])
        ),
    )

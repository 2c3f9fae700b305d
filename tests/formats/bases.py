"""What tests of base backups share: what is in the cluster, what a verification finds, a bit that flips."""

from __future__ import annotations

from pathlib import Path

from sospes.formats.base.pages import RELATION
from tests.conftest import Run, sospes

FILL = """CREATE TABLE boat (id integer PRIMARY KEY, name text);
INSERT INTO boat SELECT n, 'boat ' || n FROM generate_series(1, 4000) n;
CREATE UNLOGGED TABLE draft (id integer); INSERT INTO draft VALUES (1);
CREATE INDEX boat_name ON boat (name); CHECKPOINT;"""


def verified(folder: Path) -> Run:
    """What a verification finds."""
    return sospes("verify", folder, "--json")


def flip(path: Path, at: int, bit: int = 0) -> None:
    """Change one bit of a file."""
    with path.open("r+b") as file:
        file.seek(at)
        [byte] = file.read(1)
        file.seek(at)
        file.write(bytes([byte ^ 1 << bit]))


def relation(folder: Path) -> Path:
    """The largest file that is made of pages."""
    files = [
        path for path in folder.rglob("*") if path.is_file() and RELATION.fullmatch(path.relative_to(folder).as_posix())
    ]
    return max((path for path in files if "_" not in path.name), key=lambda path: path.stat().st_size)

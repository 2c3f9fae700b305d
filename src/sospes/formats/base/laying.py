"""Lays out the files of a base backup for a server to recover from, and puts a chain of incremental ones together.

Only what a cluster's data is made of is laid out: no configuration, no signals, nothing that names a place elsewhere.
Tablespaces become plain folders. Of an increment a file's changed pages are written over the file below it, which then
gets the length that the increment says, as the server's own documentation of the form has it.
"""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from pathlib import Path, PurePosixPath

from sospes.formats.base import label as label_file
from sospes.formats.base.increments import BadIncrement, length_of_head, read_increment
from sospes.formats.base.members import Member, Members, pass_over
from sospes.model.errors import CannotCheck
from sospes.places.writing import cloned

FOLDERS = (
    "base", "global", "pg_commit_ts", "pg_dynshmem", "pg_logical/mappings", "pg_logical/snapshots",
    "pg_multixact/members", "pg_multixact/offsets", "pg_notify", "pg_replslot", "pg_serial", "pg_snapshots", "pg_stat",
    "pg_stat_tmp", "pg_subtrans", "pg_tblspc", "pg_twophase", "pg_wal/archive_status", "pg_xact",
)  # fmt: skip
"""Folders that a server wants, be they empty."""

_DATA = re.compile(
    r"(?:base|global|pg_commit_ts|pg_multixact|pg_twophase|pg_xact)/.+|pg_tblspc/\d+/PG_[\w.]+/.+|PG_VERSION|"
    rf"{label_file.PATH}"
)
"""What is laid out: the data, and where to begin."""

_INCREMENT = "INCREMENTAL."
_OF_INCREMENT = re.compile(rb"^INCREMENTAL FROM [^\n]*\n", re.M)


def lay_out(chain: Sequence[Members], target: Path, page_size: int, per_file: int) -> None:
    """Write the files of a full backup, and of those that build on it, in order, into a new folder.

    Raises CannotCheck where an increment can't be put on what is below it.
    """
    for members in chain:
        seen = set()
        for member in members.all():
            path = PurePosixPath(member.path)
            if not _DATA.fullmatch(member.path) or ".." in path.parts:
                pass_over(members, member)
                continue
            whole = path.with_name(path.name.removeprefix(_INCREMENT))
            place = target / whole
            place.parent.mkdir(parents=True, exist_ok=True)
            seen.add(str(whole))
            if path.name.startswith(_INCREMENT):
                _put_on(place, member, page_size, per_file)
            elif member.file is None or not cloned(member.file, place):
                with place.open("wb") as file:
                    file.writelines(member.blocks)
        _remove_all_but(target, seen)
    for name in FOLDERS:
        (target / name).mkdir(parents=True, exist_ok=True)
    label = target / label_file.PATH
    if label.is_file():
        label.write_bytes(_OF_INCREMENT.sub(b"", label.read_bytes()))


def _put_on(place: Path, member: Member, page_size: int, per_file: int) -> None:
    """Write changed pages over the file below."""
    if not place.is_file():
        raise CannotCheck(
            f"{member.path}: the backup below has no such file", "sospes verify --with tells what fits together"
        )
    try:
        _write_over(place, _Text(member.blocks), page_size, per_file)
    except BadIncrement as bad:
        raise CannotCheck(f"{member.path}: {bad}", "sospes verify tells what is wrong with this backup") from bad


def _write_over(place: Path, text: _Text, page_size: int, per_file: int) -> None:
    """Write the pages of an increment over a file. Raises BadIncrement."""
    head = text.take(12)
    head += text.take(length_of_head(head) - len(head))
    increment = read_increment(head, page_size, per_file)
    text.take(increment.begin - len(head))
    length = max([increment.least, *(int(block) + 1 for block in increment.blocks)])
    with place.open("r+b") as file:
        for block in increment.blocks:
            file.seek(int(block) * page_size)
            file.write(text.take(page_size))
        file.truncate(length * page_size)


def _remove_all_but(target: Path, seen: set[str]) -> None:
    """Remove what the backup doesn't have that was laid out last: it was dropped since."""
    for path in target.rglob("*"):
        if path.is_file() and path.relative_to(target).as_posix() not in seen:
            path.unlink()


class _Text:
    """The bytes of a file, taken in any lengths."""

    def __init__(self, blocks: Iterator[bytes]) -> None:
        self._blocks = blocks
        self._rest = b""

    def take(self, length: int) -> bytes:
        """The next bytes. Raises BadIncrement where there are fewer."""
        while len(self._rest) < length:
            data = next(self._blocks, None)
            if data is None:
                raise BadIncrement("it ends too early")
            self._rest += data
        data, self._rest = self._rest[:length], self._rest[length:]
        return data

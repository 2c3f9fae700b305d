"""Reads the heads of many files, several at a time, and remembers them until a file changes."""

from __future__ import annotations

import json
import os
import re
from collections.abc import Iterator, Sequence
from concurrent.futures import ProcessPoolExecutor
from dataclasses import asdict, dataclass, replace
from multiprocessing import get_context
from pathlib import Path
from typing import Any

from sospes.formats.opening import Opening, unreadable
from sospes.formats.physical import Physical, physical_file, physical_folder
from sospes.model.errors import SospesError
from sospes.places.registry import open_source
from sospes.places.stamps import FileSet, file_set
from sospes.work.ledger.store import MARK, Ledger, Remembered
from sospes.work.look.heads import HeadOf, begins_itself, head_in, open_head
from sospes.work.seal.form import ENDING

CHUNK = 64
"""Files that one process is given at a time."""

FEW = 40
"""So few files are read without further processes."""

SIDE_COPY_TABLE = "sospes_backup"
"""The table by which a kept side copy is known."""

VERSION = 2
_COMPANIONS = (
    re.compile(rb"START WAL LOCATION: [0-9A-F]+/[0-9A-F]+ \(file [0-9A-F]{24}\)"),
    re.compile(rb'\{\s*"PostgreSQL-Backup-Manifest-Version"'),
    re.compile(rb"(?:[^\n]*\.\d{6,}\r?\n)+\Z"),
    re.compile(rb"(?:\s*#[^\n]*\n)*\s*\d+\t[0-9A-F]+/[0-9A-F]+\t[^\n]*"),
)
"""How files begin that a server or its backup program writes beside backups and logs: notes, manifests, indexes,
histories of timelines."""

_START = 4096
_SIDE_FILES = {"-wal": b"\x37\x7f\x06", "-journal": b"\xd9\xd5\x05\xf9", "-shm": b""}
"""Files that a database engine keeps beside its database file, and how they begin."""


@dataclass(frozen=True, slots=True)
class Head:
    """A candidate and what its head says.

    physical  it is a physical copy or a change log, which is recognised only
    position  where a change log begins: timeline, offset in the log, and length
    reason    why it could not be identified, or is not checked
    role      `seal`, `companion` or `side file` of a backup beside it, `ledger` or `side copy`; empty for a backup
    digest    of its bytes, where it is known and they have not changed since
    hindered  it could not be read, so nothing is known of it
    """

    candidate: FileSet
    head: HeadOf
    physical: bool = False
    position: tuple[int, int, int] | None = None
    reason: str | None = None
    role: str = ""
    digest: str | None = None
    hindered: bool = False


def read_heads(found: Sequence[FileSet], opening: Opening, ledger: Ledger | None, *, fresh: bool) -> Iterator[Head]:
    """The heads of all candidates; those that are remembered are not read, unless they are wanted `fresh`."""
    known = {} if ledger is None or fresh else ledger.remembered()
    unread = []
    for candidate in found:
        remembered = known.get((candidate.name, candidate.stamp))
        head = None if remembered is None else _from_text(candidate, remembered)
        if head is None:
            unread.append(candidate)
        else:
            yield head
    new = []
    for head in _read(unread, replace(opening, stdin=None, passed=None)):
        if not head.hindered:  # the next time it may be allowed
            new.append((head.candidate.name, head.candidate.stamp, _text(head)))
        remembered = known.get((head.candidate.name, head.candidate.stamp))
        yield head if remembered is None else replace(head, digest=remembered.digest)
    if ledger is not None:
        ledger.remember_heads(new)


def _read(unread: Sequence[FileSet], opening: Opening) -> Iterator[Head]:
    workers = min(8, os.cpu_count() or 1)
    if len(unread) < FEW or workers < 2:
        for candidate in unread:
            yield from read_one(candidate, opening)
        return
    parts = [unread[start : start + CHUNK] for start in range(0, len(unread), CHUNK)]
    # A fork would take threads and connections along; a new process takes a second to come up, once.
    with ProcessPoolExecutor(workers, mp_context=get_context("spawn")) as pool:
        for heads in pool.map(_part, parts, [opening] * len(parts)):
            yield from heads


def _part(part: Sequence[FileSet], opening: Opening) -> list[Head]:
    return [head for candidate in part for head in read_one(candidate, opening)]


def read_one(candidate: FileSet, opening: Opening) -> Iterator[Head]:
    """The head of one candidate; of files in a row each by itself, unless only the first one begins a backup."""
    try:
        if len(candidate.paths) > 1 and any(_begins(path, opening) for path in candidate.paths[1:]):
            for path in candidate.paths:
                yield _head(file_set([path]), opening)
            return
        yield _head(candidate, opening)
    except SospesError as error:
        yield Head(candidate, HeadOf(format=None), reason=error.problem, hindered=True)
    except OSError as error:
        yield Head(candidate, HeadOf(format=None), reason=f"can't be read: {error.strerror}", hindered=True)
    except Exception as error:  # a defect of ours: it must cost no other file its place in the survey
        yield Head(candidate, HeadOf(format=None), reason=unreadable(error).message)


def _begins(path: Path, opening: Opening) -> bool:
    """Whether a file is something by itself, by its first bytes: then it is no further piece."""
    return begins_itself(open_head([path], opening))


def _head(candidate: FileSet, opening: Opening) -> Head:
    path = candidate.paths[0]
    if not candidate.folder and (role := _role(path)):
        return Head(candidate, HeadOf(format=None), role=role)
    if candidate.folder and (physical := physical_folder(path)) is not None:
        return Head(candidate, _physical_head(physical), physical=True, reason=physical.reason)
    if not candidate.folder:
        opened = open_head(candidate.paths, opening)
        if (physical := physical_file(opened.head)) is not None:
            head = replace(_physical_head(physical), compression=opened.compression)
            is_unread = bool(physical.reason)
            return Head(candidate, head, is_unread, physical.position, physical.reason or None)
    else:
        opened = open_head(candidate.paths, opening)
    head = head_in(opened)
    if SIDE_COPY_TABLE in head.tables:
        return Head(candidate, head, role="side copy")
    return Head(candidate, head, reason=head.problem)


def _physical_head(physical: Physical) -> HeadOf:
    return HeadOf(
        format=physical.format, engine=physical.engine.value, engine_version=physical.engine_version,
        kind=physical.kind, system=physical.system, written_at=physical.written_at,
    )  # fmt: skip


def _role(path: Path) -> str:
    """What a file is to the backup beside it; empty where it is none of that."""
    start = open_source([path]).head(_START)
    if start.startswith(b"SQLite format 3") and start[68:72] == MARK:
        return "ledger"
    if path.suffix == ENDING and start.startswith(b'{"sospes_seal":'):
        return "seal"
    if any(kind.match(start) for kind in _COMPANIONS):
        return "companion"
    for ending, beginning in _SIDE_FILES.items():
        beside = path.with_name(path.name.removesuffix(ending))
        if path.name.endswith(ending) and start.startswith(beginning) and beside.is_file():
            return "side file"
    return ""


def _text(head: Head) -> str:
    """A head as it is remembered."""
    said = {
        "version": VERSION, "head": asdict(head.head), "physical": head.physical, "position": head.position,
        "reason": head.reason, "role": head.role,
    }  # fmt: skip
    return json.dumps(said).encode("utf-8", "backslashreplace").decode()


def _from_text(candidate: FileSet, remembered: Remembered) -> Head | None:
    """A head that is remembered; None for one of another version, a broken one, or where only the digest is known."""
    try:
        said = json.loads(remembered.head) if remembered.head else {}
        if said.get("version") != VERSION:
            return None
        head: dict[str, Any] = {
            name: tuple(value) if isinstance(value, list) else value for name, value in said["head"].items()
        }
        position = tuple(said["position"]) if said["position"] else None
        found = HeadOf(**head)
    except (ValueError, KeyError, TypeError, AttributeError):
        return None
    return Head(candidate, found, said["physical"], position, said["reason"], said["role"], remembered.digest)

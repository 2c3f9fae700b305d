"""Gathers files of a log's archive: told by what is in them, put in order by timeline and position.

A segment's first page carries the timeline that it was begun on, which for the first segment of a new timeline is the
parent's; so of which timeline a segment is, its name says where that fits its bytes, and its first page otherwise.
"""

from __future__ import annotations

import errno
import io
import os
import re
import stat
import zlib
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, field
from itertools import islice
from pathlib import Path

from sospes.formats.wal.segments import (
    HEAD_BYTES,
    NAMED_AS_HISTORY,
    NAMED_AS_SEGMENT,
    BackupNote,
    History,
    SegmentHead,
    named,
    read_history,
    read_note,
    segment_head,
    segment_name,
)  # fmt: skip
from sospes.model.errors import CannotCheck, NotFound
from sospes.model.findings import Finding
from sospes.places.local import local_files
from sospes.places.source import Source
from sospes.places.streamed import Streamed
from sospes.stream.containers import Block, container_of
from sospes.stream.plain import PlainText

_PACKED_HEAD = 1 << 13
"""Bytes of a packed file's beginning that give the head of what is inside."""

_LARGEST_BLOCK = 1 << 20
_MOST_SMALL = 1 << 20
"""Bytes that a history or a note has at most."""

_SMALL = re.compile(rb"START WAL LOCATION: |[ \t]*(?:#[^\n]*\n\s*)*\d+\t[0-9A-F]+/[0-9A-F]+")


@dataclass(slots=True)
class LogFile:
    """One file that holds a segment.

    place     where it lies; `given` are its stored bytes, where they were opened already
    timeline  that the segment is of
    named_as  timeline and position that its name stands for; None for other names
    partial   its name says that it is the unfinished end of a timeline
    stored    bytes as it lies; `packed` says how it is packed
    aside     it lies in another backup: it is used where it fits, and nobody counts on it
    findings  what unpacking it found, once it was read
    """

    place: str
    head: SegmentHead
    timeline: int
    named_as: tuple[int, int] | None
    partial: bool
    stored: int | None
    packed: str | None
    given: Source | None = None
    aside: bool = False
    findings: list[Finding] = field(default_factory=list)
    bytes_read: int = 0

    @property
    def name(self) -> str:
        """What people call it."""
        return self.place.rpartition("/")[2]

    @property
    def source(self) -> Source:
        """Its stored bytes. Raises NotFound or CannotCheck where they can't be had any more."""
        if self.given is None:
            self.given = local_files([Path(self.place)])
        return self.given

    @property
    def latest(self) -> int:
        """The newest timeline that a page of it may be of: of a file without a name nobody knows where it leads."""
        return self.timeline if self.named_as is not None else 1 << 32

    @property
    def own_name(self) -> str:
        """The name that a server looks for."""
        return segment_name(self.timeline, self.head.start, self.head.size)

    @property
    def is_misnamed(self) -> bool:
        """Whether its name stands for another segment than its bytes."""
        return self.named_as is not None and self.named_as[1] != self.head.start

    @property
    def is_cut(self) -> bool:
        """Whether it is shorter than its head says, as far as that can be seen before it is unpacked."""
        return self.packed is None and not self.partial and self.stored is not None and self.stored < self.head.size

    def blocks(self) -> Iterator[bytes]:
        """Its plain bytes; what is found in its container is kept."""
        read = 0
        if self.packed is None:
            for data in self.source.blocks():
                read += len(data)
                self.bytes_read = max(self.bytes_read, read)
                yield data
            return
        self.findings.clear()
        text = PlainText(self.source)
        for block in text.blocks():
            if isinstance(block, Block):
                yield block.data
            else:
                self.findings.append(block.at(file=self.place))
        self.bytes_read = text.bytes_read


@dataclass(slots=True)
class Logs:
    """What lies in some places of a log's archive.

    segments   files by system identifier, timeline and position; several where there are copies, the best one first
    histories  of timelines, by number, with their files
    notes      about backups
    others     files that are none of it
    unread     files that could not be read, and why
    """

    segments: dict[tuple[int, int, int], list[LogFile]] = field(default_factory=dict)
    histories: dict[int, tuple[History, Path]] = field(default_factory=dict)
    notes: list[tuple[BackupNote, Path]] = field(default_factory=list)
    others: list[Path] = field(default_factory=list)
    unread: list[tuple[Path, str]] = field(default_factory=list)
    small_bytes: int = 0

    @property
    def files(self) -> list[LogFile]:
        """All files that hold segments, in order of cluster, timeline and position."""
        return [file for key in sorted(self.segments) for file in self.segments[key]]

    @property
    def systems(self) -> list[int]:
        """The system identifiers of the clusters that segments are of."""
        return sorted({system for system, _, _ in self.segments})

    def add(self, path: str) -> None:
        """Take in one file."""
        try:
            told = _told(path)
        except OSError as error:
            self.unread.append((Path(path), error.strerror or str(error)))
            return
        except (CannotCheck, NotFound) as error:
            self.unread.append((Path(path), error.problem))
            return
        self.put(told, path)

    def add_all(self, other: Logs) -> None:
        """Take in what was gathered elsewhere."""
        for copies in other.segments.values():
            for file in copies:
                self.put(file, file.place)
        for history, path in other.histories.values():
            self.histories.setdefault(history.timeline, (history, path))
        self.notes += other.notes
        self.unread += other.unread

    def without_recycled(self) -> Logs:
        """The same without old segments under later names, which a server keeps in its own folder to fill them anew."""
        kept = {key: [file for file in copies if not file.is_misnamed] for key, copies in self.segments.items()}
        self.segments = {key: copies for key, copies in kept.items() if copies}
        return self

    def put(self, told: LogFile | History | BackupNote | None, path: str) -> None:
        """Take in a file that was told."""
        if isinstance(told, LogFile):
            copies = self.segments.setdefault((told.head.system, told.timeline, told.head.start), [])
            copies.append(told)
            if len(copies) > 1:
                copies.sort(key=lambda file: (file.is_misnamed, file.named_as is None, file.partial, file.name))
        elif isinstance(told, History):
            self.histories[told.timeline] = (told, Path(path))
            self.small_bytes += _size_of(path)
        elif isinstance(told, BackupNote):
            self.notes.append((told, Path(path)))
            self.small_bytes += _size_of(path)
        else:
            self.others.append(Path(path))


def _size_of(path: str) -> int:
    place = Path(path)
    return place.stat().st_size if place.is_file() else 0


def gather(places: Sequence[Path]) -> Logs:
    """All logs in some files and folders, and in the folders in those. Links are followed only if they are named.

    Raises NotFound for a place that isn't there.
    """
    logs = Logs()
    for place in places:
        if not place.exists():
            raise NotFound(f"{place}: no such file or folder", "check the path")
        for path in _below(place) if place.is_dir() else [str(place.resolve() if place.is_symlink() else place)]:
            logs.add(path)
    return logs


def holds_logs(folder: Path) -> bool:
    """Whether a folder is one of logs: among its first files some are segments, by their names and their bytes."""
    try:
        with os.scandir(folder) as entries:
            files = [entry for entry in islice(entries, _LOOKED_AT) if entry.is_file(follow_symlinks=False)]
        likely = [entry.path for entry in files if NAMED_AS_SEGMENT.match(entry.name)]
        return any(isinstance(_told(path), LogFile) for path in likely[:_TRIED])
    except (OSError, CannotCheck):
        return False


_LOOKED_AT, _TRIED = 200, 5


def _below(folder: Path) -> Iterable[str]:
    """All plain files of a folder and of those in it, in order; there may be very many."""
    for root, folders, names in os.walk(folder):
        folders.sort()
        yield from (f"{root}/{name}" for name in sorted(names))


def _told(path: str) -> LogFile | History | BackupNote | None:
    """What a file is; None for anything else. Raises OSError or CannotCheck where it can't be read."""
    try:
        place = os.open(path, os.O_RDONLY | os.O_NOFOLLOW | os.O_NONBLOCK | os.O_CLOEXEC)
    except OSError as error:
        if error.errno in {errno.ELOOP, errno.ENXIO}:  # a link, a socket
            return None
        raise
    try:
        status = os.fstat(place)
        if not stat.S_ISREG(status.st_mode):
            return None
        start = os.read(place, _PACKED_HEAD)
        container = container_of(start)
        plain = start if container is None else _unpacked(start, container.name)
        if not plain and container is not None:  # of some nothing comes out before a large block is there
            plain = _unpacked(os.pread(place, _LARGEST_BLOCK, 0), container.name)
    finally:
        os.close(place)
    head = segment_head(plain[:HEAD_BYTES])
    if head is None:
        return _small(Path(path), plain, status.st_size) if _SMALL.match(plain) else None
    return log_file(path, head, status.st_size, container.name if container else None)


def log_file(place: str, head: SegmentHead, stored: int | None, packed: str | None) -> LogFile:
    """A file that holds a segment, by its head and its name."""
    said = named(place.rpartition("/")[2], head.size)
    timeline = said[0] if said is not None and said[0] >= head.timeline and said[1] == head.start else head.timeline
    return LogFile(
        place=place, head=head, timeline=timeline, named_as=said[:2] if said else None,
        partial=bool(said and said[2]), stored=stored, packed=packed,
    )  # fmt: skip


def _unpacked(start: bytes, container: str) -> bytes:
    """The beginning of what is packed, from a file's first bytes."""
    if container == "gzip":  # nearly all, and much faster like this
        try:
            return zlib.decompressobj(31).decompress(start, 1024)
        except zlib.error:
            return b""
    for block in PlainText(Streamed("head", io.BytesIO(start))).blocks():
        if isinstance(block, Block) and block.data:
            return block.data[:_PACKED_HEAD]
    return b""


def _small(path: Path, plain: bytes, size: int) -> History | BackupNote | None:
    """A timeline's history, or a note about a backup, packed or not."""
    if size > _MOST_SMALL:
        return None
    return small_of(path.name, plain if size < _PACKED_HEAD and plain else small_file(local_files([path])))


def small_of(name: str, plain: bytes) -> History | BackupNote | None:
    """A timeline's history, or a note about a backup. Which timeline a history is of, only its file's name says."""
    found = NAMED_AS_HISTORY.match(name)
    return read_note(plain) or (read_history(int(found[1], 16), plain) if found else None)


def is_small(plain: bytes) -> bool:
    """Whether a text is a timeline's history, or a note about a backup."""
    return bool(_SMALL.match(plain)) and (read_note(plain) is not None or read_history(1 << 32, plain) is not None)


def small_file(source: Source) -> bytes:
    """The plain bytes of a small file."""
    parts = [block.data for block in PlainText(source).blocks() if isinstance(block, Block)]
    return b"".join(parts)[:_MOST_SMALL]

"""Reads a base backup in one pass: sums up every file, checks every page, keeps what has to be understood."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass, field
from typing import IO

from sospes.formats.base import control, label, manifest
from sospes.formats.base.control import Control, read_control
from sospes.formats.base.increments import BadIncrement, Increment, length_of_head, read_increment
from sospes.formats.base.label import Label, read_label
from sospes.formats.base.manifest import SUMS, BadManifest, Manifest, Sum, read_manifest
from sospes.formats.base.members import Member, Members, pass_over
from sospes.formats.base.pages import BadPage, Pages, file_of
from sospes.formats.wal.segments import HEAD_BYTES, SegmentHead, segment_head
from sospes.model.findings import Finding, Place, fault
from sospes.places.source import READ_SIZE

MAPS = re.compile(r"(?:.*/)?pg_filenode\.map")
KEPT_LIKE = re.compile(rf"{MAPS.pattern}|pg_wal/[0-9A-F]{{8}}\.history")
SEGMENT = re.compile(r"pg_wal/[0-9A-F]{24}")
SPOOLED = re.compile(rf"{SEGMENT.pattern}|base/\d+/(?:1249|1259|2610|2615)|pg_xact/[0-9A-F]{{4,}}")
"""Files that are needed once all was read, and too large to be kept in memory."""

KEPT = frozenset(
    {
        control.PATH, label.PATH, manifest.PATH, "PG_VERSION", "standby.signal", "recovery.signal", "postmaster.pid",
        "global/pg_filenode.map", "global/1262",
    }
)  # fmt: skip
"""Small files that are understood, and not only summed up."""

USUAL = (8192, 131072)
"""Bytes of a page, and pages of a file, of nearly all servers."""

MOST_BAD = 200
"""Bad pages of one file that are looked at by themselves."""

MOST_KEPT, MOST_KEPT_LIKE = 64 << 20, 1 << 16
"""Bytes that are kept of a file: of one that there is once, and of one that there may be many of."""

SUSPECTS = ("CRC32C", "SHA256")
"""Algorithms that are taken where the manifest comes last, so that nobody knows yet which one is wanted."""

COPY = "take the backup from another copy"


@dataclass(frozen=True, slots=True, kw_only=True)
class Seen:
    """A file that was read: its size in bytes, its checksums by algorithm, and the pages that can't be as they are.

    newest   the newest change that a page says it has, as an offset in the log, and that page's number
    problem  why an increment can't be one; empty for all else
    """

    size: int
    sums: dict[str, str]
    bad: tuple[BadPage, ...] = ()
    newest: tuple[int, int] = (0, 0)
    problem: str = ""


@dataclass(slots=True)
class Checking:
    """What was read of a base backup by now.

    kept      small files, by path
    control   the control file; None where it is not there, or makes no sense
    label     the label, likewise
    seen      all files, by path
    manifest  None where there is none, or it proves nothing: then `unproven` says why
    assumed   pages were read in the usual shape, before the control file said which one it is
    spool     a file that segments of the log and catalogs are kept in; None where they are passed over
    """

    members: Members
    kept: dict[str, bytes] = field(default_factory=dict)
    control: Control | None = None
    label: Label | None = None
    seen: dict[str, Seen] = field(default_factory=dict)
    manifest: Manifest | None = None
    unproven: Finding | None = None
    bytes_read: int = 0
    pages: int = 0
    assumed: bool = False
    spool: IO[bytes] | None = None
    _spooled: dict[str, tuple[int, int]] = field(default_factory=dict)  # where, if it can't be read again, and its size

    @property
    def system(self) -> int | None:
        """The system identifier of its cluster, as control file or manifest say."""
        if self.control is not None:
            return self.control.system
        return self.manifest.system if self.manifest is not None else None

    @property
    def has_logs(self) -> bool:
        """Whether there is any log in it."""
        return any(path.startswith("pg_wal/") for path in self._spooled)

    def spooled(self, path: str) -> Iterator[bytes] | None:
        """The bytes of a segment of the log, or of a catalog, by its path; None where it was not in it."""
        if path not in self._spooled:
            return None
        start, size = self._spooled[path]
        if start < 0:
            return self.members.again(path)
        return self._from_spool(self.spool, start, size) if self.spool is not None and not self.spool.closed else None

    @staticmethod
    def _from_spool(spool: IO[bytes], start: int, size: int) -> Iterator[bytes]:
        for at in range(start, start + size, READ_SIZE):
            spool.seek(at)
            yield spool.read(min(READ_SIZE, start + size - at))

    def segment(self, name: str) -> Iterator[bytes] | None:
        """A segment of the log that was in it, by its name."""
        return self.spooled(f"pg_wal/{name}")

    def segment_head(self, name: str) -> SegmentHead | None:
        """What the head of a segment says; None where there is none of that name, or it doesn't begin like one."""
        data = next(self.segment(name) or iter(()), b"")
        return segment_head(data[:HEAD_BYTES])

    def system_of_log(self) -> str | None:
        """The system identifier that the log in it carries."""
        names = [path.removeprefix("pg_wal/") for path in self._spooled if path.startswith("pg_wal/")]
        heads = (self.segment_head(name) for name in names)
        return next((str(head.system) for head in heads if head is not None), None)

    def glance(self) -> None:
        """Look at the small files that can be had without reading all."""
        for path in KEPT:
            if path not in self.kept and (data := self.members.small(path)) is not None:
                self._keep(path, data)
        self._understand()

    def read(self) -> None:
        """Read every file."""
        self.glance()
        for member in self.members.all():
            self._take(member)
        self._understand()

    def read_log(self) -> None:
        """Read only its small files, and keep the log that lies in it."""
        self.glance()
        for member in self.members.all():
            if SPOOLED.fullmatch(member.path) or member.path in KEPT or KEPT_LIKE.fullmatch(member.path):
                self._take(member)
            else:
                pass_over(self.members, member)
        self._understand()

    def _keep(self, path: str, data: bytes) -> None:
        """Keep a small file; what stands in control file and label is asked for often."""
        self.kept[path] = data
        if path == control.PATH:
            self.control = read_control(data)
        elif path == label.PATH:
            self.label = read_label(data)

    def _understand(self) -> None:
        """Read the manifest, once it is there."""
        data = self.kept.get(manifest.PATH)
        if data is None or self.manifest is not None or self.unproven is not None:
            return
        place = Place(file=manifest.PATH)
        try:
            found = read_manifest(data)
        except BadManifest as bad:
            self.unproven = fault("manifest-damaged", f"the manifest proves nothing: {bad}", COPY, place)
            return
        if found.intact:
            self.manifest = found
        else:
            said = "the manifest's own digest doesn't hold: it was changed since it was written"
            self.unproven = fault("manifest-damaged", said, COPY, place)

    def _take(self, member: Member) -> None:
        """Read one file: its sums, its pages, and what is kept of it."""
        sums = self._sums(member.path)
        pages = self._paging(member.path)
        keep = bytearray() if member.path in KEPT or KEPT_LIKE.fullmatch(member.path) else None
        is_needed = SPOOLED.fullmatch(member.path) is not None
        spool = self.spool if is_needed and not self.members.readable_again else None
        start, size = spool.seek(0, 2) if spool is not None else -1, 0
        most = MOST_KEPT if member.path in KEPT else MOST_KEPT_LIKE
        for data in member.blocks:
            size += len(data)
            for one in sums.values():
                one.update(data)
            pages.take(data)
            if keep is not None and len(keep) < most:
                keep += data
            if spool is not None:
                spool.write(data)
        self.bytes_read += size
        self.pages += pages.number
        if keep is not None:
            self._keep(member.path, bytes(keep))
        if spool is not None or (is_needed and self.members.readable_again):
            self._spooled[member.path] = (start, size)
        summed = {algorithm: one.hexdigest() for algorithm, one in sums.items()}
        self.seen[member.path] = Seen(
            size=size, sums=summed, bad=tuple(pages.bad_ones()), newest=pages.newest, problem=pages.problem
        )

    def _sums(self, path: str) -> dict[str, Sum]:
        """The checksums that are taken of a file."""
        if self.manifest is None:
            return {algorithm: SUMS[algorithm]() for algorithm in SUSPECTS}
        listed = self.manifest.files.get(path)
        return {listed.algorithm: SUMS[listed.algorithm]()} if listed is not None and listed.algorithm else {}

    def _paging(self, path: str) -> _Paging:
        """How a file's pages are checked; one that has none is not cut into pages."""
        found = file_of(path)
        if found is None:
            return _Paging(None)
        known = self.control  # of a tar it comes last, and all have this shape that weren't built otherwise
        self.assumed = self.assumed or known is None
        per_file = known.segment_pages if known is not None else USUAL[1]
        pages = Pages(
            page_size=known.page_size if known is not None else USUAL[0],
            first_block=found.part * per_file,
            checksums=known is None or known.checksums,
        )
        return _Increments(pages, per_file) if found.increment else _Paging(pages)


class _Paging:
    """Cuts a file into pages, and checks them."""

    problem = ""

    def __init__(self, pages: Pages | None) -> None:
        self._pages = pages
        self._rest = b""
        self._bad: list[BadPage] = []
        self.number = 0

    @property
    def newest(self) -> tuple[int, int]:
        """The newest change that a page says it has, and that page's number."""
        return self._pages.newest if self._pages is not None else (0, 0)

    def take(self, data: bytes) -> None:
        """Take in some bytes."""
        if self._pages is not None:
            self._take(self._pages, data)

    def _take(self, pages: Pages, data: bytes) -> None:
        whole = self._rest + data if self._rest else data
        cut = len(whole) - len(whole) % pages.page_size
        if len(self._bad) < MOST_BAD and cut:
            self._bad += self._wrong(pages, whole[:cut] if cut < len(whole) else whole)
        self.number += cut // pages.page_size
        self._rest = whole[cut:]

    def _wrong(self, pages: Pages, data: bytes) -> Iterator[BadPage]:
        return pages.wrong(data, self.number)

    def bad_ones(self) -> list[BadPage]:
        """The pages that can't be, and a part of one at the end."""
        part = [BadPage(self.number, 0, "it is only a part of a page")] if self._rest else []
        return self._bad[:MOST_BAD] + part


class _Increments(_Paging):
    """Checks a file that holds only some pages, whose numbers stand at its beginning."""

    def __init__(self, pages: Pages, per_file: int) -> None:
        super().__init__(pages)
        self._per_file = per_file
        self._head: Increment | None = None
        self._begin = bytearray()

    def _take(self, pages: Pages, data: bytes) -> None:
        if self.problem:
            return
        if self._head is None:
            self._begin += data
            try:
                begin = bytes(self._begin)
                if len(begin) < 12 or len(begin) < length_of_head(begin):
                    return
                head = read_increment(begin, pages.page_size, self._per_file)
            except BadIncrement as bad:
                self.problem = str(bad)
                return
            if len(self._begin) < head.begin:
                return
            self._head, data = head, bytes(self._begin[head.begin :])
        super()._take(pages, data)

    def _wrong(self, pages: Pages, data: bytes) -> Iterator[BadPage]:
        assert self._head is not None
        blocks = self._head.blocks[self.number : self.number + len(data) // pages.page_size]
        count = len(blocks) * pages.page_size
        return pages.wrong(data[:count], self.number, blocks) if count else iter(())

    def bad_ones(self) -> list[BadPage]:
        """The pages that can't be; whether there are as many as there should be goes to `problem`."""
        wanted = len(self._head.blocks) if self._head is not None else None
        if not self.problem and wanted is None:
            self.problem = "it is shorter than its head"
        elif not self.problem and (self.number != wanted or self._rest):
            self.problem = f"its head names {wanted:,} pages, and {self.number:,} follow"
        return self._bad[:MOST_BAD]

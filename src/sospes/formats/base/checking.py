"""Reads a base backup in one pass: sums up every file, checks every page, keeps what has to be understood."""

from __future__ import annotations

import re
from dataclasses import dataclass, field
from typing import IO

from sospes.formats.base import control, label, manifest
from sospes.formats.base.control import Control, read_control
from sospes.formats.base.label import Label, read_label
from sospes.formats.base.log import SEGMENT_NAME, segment_head
from sospes.formats.base.manifest import SUMS, BadManifest, Manifest, Sum, read_manifest
from sospes.formats.base.members import Member, Members
from sospes.formats.base.pages import RELATION, BadPage, Pages
from sospes.model.findings import Finding, Place, fault

MAPS = re.compile(r"(?:.*/)?pg_filenode\.map")
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

MOST_KEPT = 64 << 20
SUSPECTS = ("CRC32C", "SHA256")
"""Algorithms that are taken where the manifest comes last, so that nobody knows yet which one is wanted."""

COPY = "take the backup from another copy"


@dataclass(frozen=True, slots=True, kw_only=True)
class Seen:
    """A file that was read: its size in bytes, its checksums by algorithm, and the pages that can't be as they are."""

    size: int
    sums: dict[str, str]
    bad: tuple[BadPage, ...] = ()


@dataclass(slots=True)
class Checking:
    """What was read of a base backup by now.

    kept      small files, by path
    control   the control file; None where it is not there, or makes no sense
    label     the label, likewise
    seen      all files, by path
    manifest  None where there is none, or it proves nothing: then `unproven` says why
    assumed   pages were read in the usual shape, before the control file said which one it is
    spool     a file that segments of the log are kept in; None where they are passed over
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
    _segments: dict[str, tuple[int, int]] = field(default_factory=dict)

    @property
    def has_logs(self) -> bool:
        """Whether there is any log in it."""
        return bool(self._segments)

    def segment(self, name: str) -> bytes | None:
        """A segment of the log that was in it, by its name."""
        if name not in self._segments or self.spool is None or self.spool.closed:
            return None
        start, size = self._segments[name]
        self.spool.seek(start)
        return self.spool.read(size)

    def system_of_log(self) -> str | None:
        """The system identifier that the log in it carries."""
        heads = (segment_head(self.segment(name) or b"") for name in self._segments)
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
        pages = _Paging(self._relation(member.path))
        keep = bytearray() if member.path in KEPT or MAPS.fullmatch(member.path) else None
        name = member.path.removeprefix("pg_wal/")
        log = self.spool if name != member.path and SEGMENT_NAME.fullmatch(name) else None
        start, size = log.tell() if log is not None else 0, 0
        for data in member.blocks:
            size += len(data)
            for one in sums.values():
                one.update(data)
            pages.take(data)
            if keep is not None and len(keep) < MOST_KEPT:
                keep += data
            if log is not None:
                log.write(data)
        self.bytes_read += size
        self.pages += pages.number
        if keep is not None:
            self._keep(member.path, bytes(keep))
        if log is not None:
            self._segments[name] = (start, size)
        summed = {algorithm: one.hexdigest() for algorithm, one in sums.items()}
        self.seen[member.path] = Seen(size=size, sums=summed, bad=tuple(pages.bad_ones()))

    def _sums(self, path: str) -> dict[str, Sum]:
        """The checksums that are taken of a file."""
        if self.manifest is None:
            return {algorithm: SUMS[algorithm]() for algorithm in SUSPECTS}
        listed = self.manifest.files.get(path)
        return {listed.algorithm: SUMS[listed.algorithm]()} if listed is not None and listed.algorithm else {}

    def _relation(self, path: str) -> Pages | None:
        """How a file's pages are checked; None for one that has none."""
        found = RELATION.fullmatch(path)
        if found is None:
            return None
        known = self.control  # of a tar it comes last, and all have this shape that weren't built otherwise
        self.assumed = self.assumed or known is None
        return Pages(
            page_size=known.page_size if known is not None else USUAL[0],
            first_block=int(found[3] or 0) * (known.segment_pages if known is not None else USUAL[1]),
            checksums=known is None or known.checksums,
        )


class _Paging:
    """Cuts a file into pages, and checks them."""

    def __init__(self, pages: Pages | None) -> None:
        self._pages = pages
        self._rest = b""
        self._bad: list[BadPage] = []
        self.number = 0

    def take(self, data: bytes) -> None:
        """Take in some bytes."""
        if self._pages is None:
            return
        whole = self._rest + data if self._rest else data
        cut = len(whole) - len(whole) % self._pages.page_size
        if len(self._bad) < MOST_BAD:
            self._bad += self._pages.wrong(whole[:cut] if cut < len(whole) else whole, self.number)
        self.number += cut // self._pages.page_size
        self._rest = whole[cut:]

    def bad_ones(self) -> list[BadPage]:
        """The pages that can't be, and a part of one at the end."""
        part = [BadPage(self.number, 0, "it is only a part of a page")] if self._rest else []
        return self._bad[:MOST_BAD] + part

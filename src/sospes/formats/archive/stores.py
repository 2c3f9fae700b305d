"""Where an archive's data lie: behind its contents in one file, in a directory, or in a tar. All give members in order.

A member's blocks count plain bytes from 0; `stored_to` counts in the file that the member is in.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from pathlib import Path
from typing import Protocol

from sospes.formats.archive.bytestream import BlockStream, ByteStream, CutShort, FileStream
from sospes.formats.archive.contents import ArchiveHeader, BadContents, OffsetState, TocEntry, read_entries
from sospes.formats.archive.joining import BLOCK_SIZE, Joiner
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.stream.containers import CONTAINERS, ZLIB, Block, Container, container_of, unpack

_ENDINGS = ("", ".gz", ".lz4", ".zst")
_LARGE_OBJECTS = re.compile(r"^blobs?(?:_\d+)?\.(?:toc|dat)")
_BY_NAME = {container.name: container for container in reversed(CONTAINERS)}
Blocks = Iterator[Block | Finding]
Wanted = Callable[[int], bool]


@dataclass(slots=True)
class Member:
    """The data of one entry; `blocks` are to be read before the next member is asked for."""

    identity: int
    large_objects: bool
    blocks: Blocks


class Store(Protocol):
    """Gives the data of an archive's entries."""

    def members(self, wanted: Wanted) -> Iterator[Member | Finding]:
        """Members in stored order; the data of others are passed over."""
        ...


def compressed(header: ArchiveHeader) -> Container | None:
    """The container that a single file's members are packed in; its gzip has no header of its own."""
    if header.compression is None:
        return None
    return ZLIB if header.compression == "gzip" else _BY_NAME[header.compression]


class SingleFile:
    """Members behind the table of contents: a byte for the kind, the entry's number, blocks with their lengths."""

    def __init__(self, stream: ByteStream, header: ArchiveHeader, entries: list[TocEntry]) -> None:
        self._stream = stream
        self._header = header
        self._entries = {entry.identity: entry for entry in entries}
        self._data_from = stream.offset
        self._unfinished = False

    def members(self, wanted: Wanted) -> Iterator[Member | Finding]:
        placed = [entry for entry in self._entries.values() if entry.state is OffsetState.SET]
        every = all(wanted(entry.identity) for entry in self._entries.values())
        if placed and not every and self._stream.seekable:
            yield from self._sought([entry for entry in placed if wanted(entry.identity)])
            return
        yield from self._walked(wanted)

    def _sought(self, entries: list[TocEntry]) -> Iterator[Member | Finding]:
        """Go to each entry's data by its offset: what that costs depends on these entries alone."""
        for entry in sorted(entries, key=lambda entry: entry.offset):
            self._stream.seek(entry.offset)
            try:
                kind, identity = self._member_head()
            except CutShort as cut:
                yield self._pointless(entry, f"the file ends at byte {cut.offset:,}")
                continue
            if identity != entry.identity or kind not in {1, 3}:
                yield self._pointless(entry, f"entry {identity} is there")
                continue
            yield Member(identity, kind == 3, self._blocks(kind))

    def _pointless(self, entry: TocEntry, found: str) -> Finding:
        return fault(
            "data-misplaced",
            f"{entry.kind} {entry.tag}: its data should begin at byte {entry.offset:,}, but {found}",
            "the table of contents or the file is damaged; verify it, and take the backup from another copy",
            Place(stored_from=entry.offset, schema=entry.schema, table=entry.tag),
        )

    def _member_head(self) -> tuple[int, int]:
        kind = self._stream.read(1)[0]
        return kind, self._integer()

    def _integer(self) -> int:
        return _signed(self._stream.read(1 + self._header.integer_size))

    def _walked(self, wanted: Wanted) -> Iterator[Member | Finding]:
        """Go from member to member to the end of the file."""
        if self._stream.seekable:
            self._stream.seek(self._data_from)
        while True:
            begin = self._stream.offset
            first = self._stream.some(1)
            if not first:
                return
            try:
                number = self._stream.read(1 + self._header.integer_size)
            except CutShort as cut:
                yield _cut(cut.offset, "the head of a member")
                return
            identity = _signed(number)
            if first[0] not in {1, 3} or identity not in self._entries:
                if self._is_contents_again(first + number):
                    yield note(
                        "contents-repeated", f"the table of contents stands at the end once more, from byte {begin:,}"
                    )
                    return
                yield fault(
                    "data-unexpected",
                    f"at byte {begin:,} the data of an entry were expected, not kind {first[0]} of entry {identity}",
                    "what follows can't be read; take the backup from another copy",
                    Place(stored_from=begin),
                )
                return
            entry = self._entries[identity]
            if entry.state is OffsetState.SET and entry.offset != begin:
                yield self._pointless(entry, f"they begin at {begin:,}")
            blocks = self._blocks(first[0])
            if wanted(identity):
                yield Member(identity, first[0] == 3, blocks)
            for _ in blocks:
                pass  # what the reader left
            if self._unfinished:
                return

    def _is_contents_again(self, taken: bytes) -> bool:
        """Whether the rest of the file is the table of contents anew: so it is where its writer could not go back."""
        rest = BlockStream(iter([Block(taken, 0, 0), *_blocks_of(self._stream)]))
        try:
            again = read_entries(rest, self._header)
        except (BadContents, CutShort):
            return False
        return not rest.some(1) and [_without_offset(entry) for entry in again] == [
            _without_offset(entry) for entry in self._entries.values()
        ]

    def _blocks(self, kind: int) -> Blocks:
        if kind == 1:
            return self._data()
        return self._large_objects()

    def _data(self) -> Blocks:
        container = compressed(self._header)
        raw = self._gathered()
        return raw if container is None else unpack(raw, container)

    def _large_objects(self) -> Blocks:
        while True:
            try:
                number = self._integer()
            except CutShort as cut:
                self._unfinished = True
                yield _cut(cut.offset, "a list of large objects")
                return
            if number == 0 or self._unfinished:
                return
            yield from self._data()

    def _gathered(self) -> Blocks:
        """The stored blocks of a member joined to larger ones."""
        rows = self._header.compression is None and self._stream.seekable
        try:
            yield from Joiner(self._stream, 1 + self._header.integer_size, rows).blocks()
        except CutShort as cut:
            self._unfinished = True
            yield _cut(cut.offset, "the data of an entry")


def _without_offset(entry: TocEntry) -> TocEntry:
    return replace(entry, state=None, offset=0)


def _signed(data: bytes) -> int:
    """A sign byte and a number, lowest byte first."""
    value = int.from_bytes(data[1:], "little")
    return -value if data[0] else value


def _cut(offset: int, inside: str) -> Finding:
    return fault(
        "truncated",
        f"the file ends inside {inside}, at byte {offset:,}",
        "the file was cut off: copy it again, or take the backup again",
        Place(stored_from=offset, stored_to=offset),
    )


class Directory:
    """One file for each entry, packed or not."""

    def __init__(self, folder: Path, entries: list[TocEntry]) -> None:
        self._folder = folder
        self._entries = entries

    def members(self, wanted: Wanted) -> Iterator[Member | Finding]:
        used = {"toc.dat"}
        for entry in self._entries:
            if not entry.file:
                continue
            path = self._found(entry.file)
            used |= {entry.file + ending for ending in _ENDINGS}
            if path is None:
                yield _member_missing(entry)
                continue
            if entry.kind == "BLOBS":
                yield from self._listed(path, used)
                continue
            if wanted(entry.identity):
                yield Member(entry.identity, False, self._file(path))
        yield from self._strangers(used)

    def _listed(self, path: Path, used: set[str]) -> Iterator[Finding]:
        """Large objects are listed with their files, one a line."""
        text = b"".join(block.data for block in self._file(path) if isinstance(block, Block))
        for line in text.decode("utf-8", "replace").splitlines():
            number, _, name = line.partition(" ")
            found = self._found(name) if name else None
            used |= {name + ending for ending in _ENDINGS}
            if found is None:
                yield fault(
                    "member-missing",
                    f"large object {number}: its data should be in {name}, which is not there",
                    "the backup lacks a part: copy it again from where it was written",
                )
                continue
            yield from (block for block in self._file(found) if isinstance(block, Finding))

    def _found(self, name: str) -> Path | None:
        if "/" in name or name.startswith("."):
            return None
        return next(
            (
                path
                for ending in _ENDINGS
                if (path := self._folder / f"{name}{ending}").is_file() and not path.is_symlink()
            ),
            None,
        )

    def _file(self, path: Path) -> Blocks:
        return _unpacked(_blocks_of(FileStream(path)), path)

    def _strangers(self, used: set[str]) -> Iterator[Finding]:
        for path in sorted(self._folder.iterdir()):
            if path.name in used:
                continue
            if _LARGE_OBJECTS.match(path.name):
                yield fault(
                    "member-unlisted",
                    f"{path.name} holds a large object, and no list names it",
                    "the list of large objects is cut off or damaged; copy the backup again",
                    Place(file=path.name),
                )
            else:
                yield note("file-stray", f"{path.name} lies in the directory and no entry names it")


def _member_missing(entry: TocEntry) -> Finding:
    return fault(
        "member-missing",
        f"{entry.kind} {entry.tag}: its data should be in {entry.file}, which is not there",
        "the backup lacks a part: copy it again from where it was written",
        Place(schema=entry.schema, table=entry.tag),
    )


def _blocks_of(stream: ByteStream) -> Blocks:
    plain = 0
    while data := stream.some(BLOCK_SIZE):
        yield Block(data, plain, plain + len(data))
        plain += len(data)


def _unpacked(blocks: Blocks, path: Path) -> Blocks:
    """Unpack by content; findings say which file they are about. The writer packs what it names so."""
    name = path.name
    first = next((block for block in blocks if isinstance(block, Block)), Block(b"", 0, 0))
    container = container_of(first.data)
    if container is None and path.suffix in _ENDINGS[1:]:
        yield fault(
            "member-damaged",
            f"{name} is {'empty' if not first.data else 'not packed'}, though its name says that it is packed",
            "the file was cut off or damaged; copy the backup again from where it was written",
            Place(file=name),
        )
        return
    rest = _chained(first, blocks)
    for block in rest if container is None else unpack(rest, container):
        yield block.at(file=name) if isinstance(block, Finding) else block


def _chained(first: Block, rest: Blocks) -> Blocks:
    yield first
    yield from rest


@dataclass(frozen=True, slots=True)
class TarMember:
    """A file inside of a tar."""

    name: str
    offset: int
    size: int


class BadTar(Exception):
    """A tar's header is damaged. `offset` is where it stands."""

    def __init__(self, offset: int, problem: str) -> None:
        super().__init__(offset, problem)
        self.offset, self.problem = offset, problem


def next_tar_member(stream: ByteStream) -> TarMember | None:
    """The next file's header (POSIX ustar); None at the end. Raises BadTar or CutShort."""
    begin = stream.offset
    header = stream.read(512)
    if not header.strip(b"\0"):
        return None
    total = sum(header[:148]) + 8 * 32 + sum(header[156:])
    stated = _octal(header[148:156], begin)
    if total != stated:
        raise BadTar(begin, f"its checksum is {stated}, the bytes give {total}")
    name = header[:100].rstrip(b"\0").decode("utf-8", "replace")
    if header[156:157] not in {b"0", b"\0"} or "/" in name or ".." in name:
        raise BadTar(begin, f"{name[:60]!r} is no plain file of an archive: links and paths are refused")
    return TarMember(name, stream.offset, _octal(header[124:136], begin))


def _octal(field: bytes, offset: int) -> int:
    if field[0] & 0x80:
        return int.from_bytes(field[1:], "big")
    try:
        return int(field.strip(b" \0") or b"0", 8)
    except ValueError:
        raise BadTar(offset, f"a number in it is {field!r}") from None


class Tar:
    """Members as files of a tar, in stored order; the script member is for another way of restoring and passed over."""

    def __init__(self, stream: ByteStream, entries: list[TocEntry]) -> None:
        self._stream = stream
        self._by_file = {entry.file: entry for entry in entries if entry.file and entry.kind != "BLOBS"}

    def members(self, wanted: Wanted) -> Iterator[Member | Finding]:
        missing = dict(self._by_file)
        try:
            while (member := next_tar_member(self._stream)) is not None:
                entry = missing.pop(member.name, None)
                end = member.offset + -(-member.size // 512) * 512
                if entry is not None and wanted(entry.identity):
                    yield Member(entry.identity, False, self._file(member))
                elif entry is None and member.name != "restore.sql" and not _LARGE_OBJECTS.match(member.name):
                    yield doubt(
                        "file-stray",
                        f"the tar has a member {member.name!r} that no entry names",
                        "find out where it comes from; the other members can be used",
                        Place(stored_from=member.offset),
                    )
                self._stream.skip(end - self._stream.offset)
        except CutShort as cut:
            yield _cut(cut.offset, "a member of the tar")
        except BadTar as bad:
            yield fault(
                "tar-damaged",
                f"the tar's header at byte {bad.offset:,} is damaged: {bad.problem}",
                "members behind it can't be found; take the backup from another copy",
                Place(stored_from=bad.offset),
            )
        for entry in missing.values():
            yield _member_missing(entry)

    def _file(self, member: TarMember) -> Blocks:
        left = member.size
        while left:
            data = self._stream.some(min(left, BLOCK_SIZE))
            if not data:
                yield _cut(self._stream.offset, f"the member {member.name}")
                return
            yield Block(data, member.size - left, self._stream.offset)
            left -= len(data)


def damaged_contents(error: BadContents | CutShort) -> Finding:
    """A fault for contents that can't be read."""
    if isinstance(error, CutShort):
        return fault(
            "truncated",
            f"the file ends inside its table of contents, at byte {error.offset:,}",
            "the file was cut off: copy it again, or take the backup again",
            Place(stored_from=error.offset, stored_to=error.offset),
        )
    return fault(
        "contents-damaged",
        f"the table of contents can't be read at byte {error.offset:,}: {error.problem}",
        "without it nothing can be found in the archive; take the backup from another copy",
        Place(stored_from=error.offset),
    )

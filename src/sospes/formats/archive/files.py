"""An archive's data in files of their own: in a directory, or in a tar."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass
from itertools import chain
from pathlib import Path

from sospes.formats.archive.bytestream import ByteStream, CutShort, SourceStream
from sospes.formats.archive.contents import TocEntry
from sospes.formats.archive.joining import BLOCK_SIZE
from sospes.formats.archive.stores import (
    Blocks,
    LargeBlocks,
    Member,
    ObjectBegin,
    Wanted,
    blocks_of,
    cut_off,
    large_member,
)
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.places.local import LocalFolder
from sospes.stream.containers import Block, container_of
from sospes.stream.unpacking import unpack

_ENDINGS = ("", ".gz", ".lz4", ".zst")
_EMPTY_UNPACKED = frozenset({".lz4", ".zst"})
"""How files end that hold no frame at all for an empty large object."""
_LARGE_OBJECTS = re.compile(r"^blobs?(?:_\d+)?\.(?:toc|dat)")
_LARGE_OBJECT = re.compile(r"^blob_(\d+)\.dat")


class Directory:
    """One file for each entry, packed or not."""

    def __init__(self, folder: LocalFolder, entries: list[TocEntry]) -> None:
        self._folder = folder
        self._entries = entries
        self.bytes_read = 0

    def members(self, wanted: Wanted) -> Iterator[Member | Finding]:
        used = {"toc.dat"}
        for entry in self._entries:
            if not entry.file:
                continue
            found = self._found(entry.file)
            used |= {entry.file + ending for ending in _ENDINGS}
            if found is None:
                yield _member_missing(entry)
                continue
            if entry.kind == "BLOBS":
                yield large_member(entry.identity, self._listed(found, used))
            elif wanted(entry.identity):
                yield Member(entry.identity, self._file(found))
        yield from self._strangers(used)

    def leftover(self) -> Iterator[Finding]:
        """Each file was read to its end."""
        yield from ()

    def _listed(self, list_of_them: str, used: set[str]) -> LargeBlocks:
        """Large objects are listed with their files, one a line."""
        text = b"".join(block.data for block in self._file(list_of_them) if isinstance(block, Block))
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
            if number.isdecimal():
                yield ObjectBegin(int(number))
            yield from self._file(found)

    def _found(self, name: str) -> str | None:
        """The name of a member's file, packed or not."""
        return next((name + ending for ending in _ENDINGS if self._folder.file(name + ending) is not None), None)

    def _file(self, name: str) -> Blocks:
        """The plain bytes of a member's file."""
        source = self._folder.file(name)
        self.bytes_read += source.size if source is not None else 0
        return iter(()) if source is None else _unpacked(blocks_of(SourceStream(source)), name)

    def _strangers(self, used: set[str]) -> Iterator[Finding]:
        """Files that no entry names: of large objects they are missed somewhere, others were put there."""
        for name in self._folder.names():
            if name in used:
                continue
            if _LARGE_OBJECTS.match(name):
                yield fault(
                    "member-unlisted",
                    f"{name} holds a large object, and no list names it",
                    "the list of large objects is cut off or damaged; copy the backup again",
                    Place(file=name),
                )
            else:
                yield note("file-stray", f"{name} lies in the directory and no entry names it")


def _member_missing(entry: TocEntry) -> Finding:
    """An entry's data should be in a file that isn't there."""
    return fault(
        "member-missing",
        f"{entry.kind} {entry.tag}: its data should be in {entry.file}, which is not there",
        "the backup lacks a part: copy it again from where it was written",
        Place(schema=entry.schema, table=entry.tag),
    )


def _unpacked(blocks: Blocks, name: str) -> Blocks:
    """Unpack by content; findings say which file they are about. The writer packs what it names so."""
    ending = Path(name).suffix
    first = next((block for block in blocks if isinstance(block, Block)), Block(b"", 0, 0))
    container = container_of(first.data)
    if not first.data and ending in _EMPTY_UNPACKED and _LARGE_OBJECT.match(name):
        yield note("large-object-empty", f"{name} is empty, as servers write a large object without bytes", "", None)
        return
    if container is None and ending in _ENDINGS[1:]:
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
    """A block, then the rest."""
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
    return tar_member(stream.read(512), begin)


def tar_member(header: bytes, begin: int) -> TarMember | None:
    """What a header of 512 bytes at offset `begin` says; None if it is empty. Raises BadTar."""
    if not header.strip(b"\0"):
        return None
    total = sum(header[:148]) + 8 * 32 + sum(header[156:])
    stated = _octal(header[148:156], begin)
    if total != stated:
        raise BadTar(begin, f"its checksum is {stated}, the bytes give {total}")
    name = header[:100].rstrip(b"\0").decode("utf-8", "replace")
    if header[156:157] not in {b"0", b"\0"} or "/" in name or ".." in name:
        raise BadTar(begin, f"{name[:60]!r} is no plain file of an archive: links and paths are refused")
    return TarMember(name, begin + 512, _octal(header[124:136], begin))


def _octal(field: bytes, offset: int) -> int:
    """A number in a tar's header: octal digits, or from 8 GiB on bytes, highest first (GNU's extension)."""
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
        self._large = next((entry.identity for entry in entries if entry.kind == "BLOBS"), None)

    @property
    def bytes_read(self) -> int:
        """How far the tar was read."""
        return self._stream.offset

    def members(self, wanted: Wanted) -> Iterator[Member | Finding]:
        missing = dict(self._by_file)
        try:
            while True:
                try:
                    member = next_tar_member(self._stream)
                except BadTar as bad:
                    yield _bad_header(bad)
                    member = self._next_sound_header()
                if member is None:
                    break
                entry = missing.pop(member.name, None)
                end = member.offset + -(-member.size // 512) * 512
                if entry is not None and wanted(entry.identity):
                    yield Member(entry.identity, self._file(member))
                elif self._large is not None and (found := _LARGE_OBJECT.match(member.name)):
                    begin: LargeBlocks = iter([ObjectBegin(int(found[1]))])
                    yield large_member(self._large, chain(begin, self._file(member)))
                elif entry is None and member.name != "restore.sql" and not _LARGE_OBJECTS.match(member.name):
                    yield doubt(
                        "file-stray",
                        f"the tar has a member {member.name!r} that no entry names",
                        "find out where it comes from; the other members can be used",
                        Place(stored_from=member.offset),
                    )
                self._stream.skip(end - self._stream.offset)
        except CutShort as cut:
            yield cut_off(cut.offset, "a member of the tar")
        for entry in missing.values():
            yield _member_missing(entry)

    def leftover(self) -> Iterator[Finding]:
        """What was found about containers around the tar."""
        return self._stream.leftover()

    def _next_sound_header(self) -> TarMember | None:
        """Behind a damaged header: the next one that is whole and of a file that the contents know."""
        while True:
            try:
                header = self._stream.read(512)
                member = tar_member(header, self._stream.offset - 512)
            except BadTar:
                continue
            except CutShort:
                return None
            if member is not None and member.name in self._by_file:
                return member

    def _file(self, member: TarMember) -> Blocks:
        left = member.size
        while left:
            data = self._stream.some(min(left, BLOCK_SIZE))
            if not data:
                yield cut_off(self._stream.offset, f"the member {member.name}")
                return
            yield Block(data, member.size - left, self._stream.offset)
            left -= len(data)


def _bad_header(bad: BadTar) -> Finding:
    """A header whose checksum or name is wrong."""
    return fault(
        "tar-damaged",
        f"the tar's header at byte {bad.offset:,} is damaged: {bad.problem}",
        "the member behind it can't be found; take it from another copy",
        Place(stored_from=bad.offset, stored_to=bad.offset + 512),
    )

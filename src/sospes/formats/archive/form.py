"""Tells archives, and opens them: reads header and contents, and finds the store of the data."""

from __future__ import annotations

from pathlib import Path

from sospes.formats.archive.bytestream import BlockStream, ByteStream, CutShort, SourceStream
from sospes.formats.archive.contents import MAGIC, NAME, BadContents, Layout, read_entries, read_header
from sospes.formats.archive.files import BadTar, Directory, Tar, next_tar_member
from sospes.formats.archive.reader import ArchiveReader
from sospes.formats.archive.stores import SingleFile, damaged_contents
from sospes.formats.form import Head, Reader, Stored, Want, Words
from sospes.model.findings import Finding, fault
from sospes.places.local import LocalFolder

_CONTENTS = "toc.dat"


class _Archive:
    """PostgreSQL archives with a table of contents: in one file, as a tar, or as a directory."""

    name = NAME
    many = False
    words = Words(
        title="archive",
        whole="yes, all that the contents list",
        cut_off="no",
        unknown="unknown until its data are read",
        unknown_packed="unknown until its data are read",
    )

    def recognise(self, head: Head) -> bool:
        """Whether the bytes begin as an archive's, or as a tar whose first member is a table of contents."""
        plain = head.plain
        return plain.startswith(MAGIC) or (plain[257:262] == b"ustar" and plain.startswith(_CONTENTS.encode() + b"\0"))

    def is_folder(self, path: Path) -> bool:
        """Whether there is a table of contents in it."""
        return (path / _CONTENTS).is_file()

    def open(self, stored: Stored, want: Want) -> Reader | Finding:
        """A reader, its contents read; a finding where they are damaged."""
        try:
            if isinstance(stored.source, LocalFolder):
                return _directory(stored.source, stored, want)
            direct = stored.source.size is not None and not stored.head.containers
            stream: ByteStream = SourceStream(stored.source) if direct else BlockStream(stored.text.blocks())
            if stored.head.plain.startswith(MAGIC):
                return _single(stream, stored, want)
            return _tar(stream, stored, want)
        except (BadContents, CutShort) as error:
            return damaged_contents(error)
        except BadTar as error:
            return damaged_contents(BadContents(error.offset, error.problem))


ARCHIVE = _Archive()


def _single(stream: ByteStream, stored: Stored, want: Want) -> ArchiveReader:
    header = read_header(stream)
    entries = read_entries(stream, header)
    return ArchiveReader(header, entries, SingleFile(stream, header, entries), stored, want.rows)


def _tar(stream: ByteStream, stored: Stored, want: Want) -> ArchiveReader:
    first = next_tar_member(stream)
    if first is None or first.name != _CONTENTS:
        raise BadContents(0, f"the first member is not {_CONTENTS}")
    header = read_header(stream)
    if header.layout is Layout.SINGLE:
        raise BadContents(10, "the contents in the tar are of a single file")
    entries = read_entries(stream, header)
    end = first.offset + -(-first.size // 512) * 512
    stream.skip(end - stream.offset)
    return ArchiveReader(header, entries, Tar(stream, entries), stored, want.rows)


def _directory(folder: LocalFolder, stored: Stored, want: Want) -> ArchiveReader | Finding:
    contents = folder.file(_CONTENTS, linked=True)
    if contents is None:
        raise BadContents(0, f"{_CONTENTS} is no plain file")
    stream = SourceStream(contents)
    header = read_header(stream)
    entries = read_entries(stream, header)
    if stream.some(1):
        return fault(
            "contents-damaged",
            f"behind the last entry of {_CONTENTS} come more bytes, at {stream.offset - 1:,}",
            "the table of contents is damaged; take the backup from another copy",
        )
    return ArchiveReader(header, entries, Directory(folder, entries), stored, want.rows)

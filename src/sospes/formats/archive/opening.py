"""Opens archives: reads header and contents, and finds the store of the data."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from sospes.formats.archive.bytestream import BlockStream, ByteStream, CutShort, FileStream
from sospes.formats.archive.contents import BadContents, Layout, read_entries, read_header
from sospes.formats.archive.files import BadTar, Directory, Tar, next_tar_member
from sospes.formats.archive.reader import ArchiveReader
from sospes.formats.archive.stores import SingleFile, damaged_contents
from sospes.model.entries import Name
from sospes.model.findings import Finding, fault
from sospes.stream.plain import PlainText

Wants = Callable[[Name], bool]


def open_single(path: Path | None, text: PlainText, wants: Wants | None) -> ArchiveReader | Finding:
    """An archive in one file, itself or as a tar; without `path` its bytes come from `text`, forward only."""
    stream: ByteStream = FileStream(path) if path is not None else BlockStream(text.blocks())
    try:
        if stream.seekable:
            tar = stream.read(5) != b"PGDMP"
            stream.seek(0)
        else:
            tar = text_is_tar(stream)
        return _tar(stream, wants) if tar else _single(stream, wants)
    except (BadContents, CutShort) as error:
        return damaged_contents(error)
    except BadTar as error:
        return damaged_contents(BadContents(error.offset, error.problem))


def text_is_tar(stream: ByteStream) -> bool:
    """Whether a forward-only stream is a tar, judged by its first bytes, which stay unread."""
    assert isinstance(stream, BlockStream)  # files are judged by seeking back
    return stream.peek(5) != b"PGDMP"


def _single(stream: ByteStream, wants: Wants | None) -> ArchiveReader:
    header = read_header(stream)
    entries = read_entries(stream, header)
    return ArchiveReader(header, entries, SingleFile(stream, header, entries), wants)


def _tar(stream: ByteStream, wants: Wants | None) -> ArchiveReader:
    first = next_tar_member(stream)
    if first is None or first.name != "toc.dat":
        raise BadContents(0, "the first member is not toc.dat")
    header = read_header(stream)
    if header.layout is Layout.SINGLE:
        raise BadContents(10, "the contents in the tar are of a single file")
    entries = read_entries(stream, header)
    end = first.offset + -(-first.size // 512) * 512
    stream.skip(end - stream.offset)
    return ArchiveReader(header, entries, Tar(stream, entries), wants)


def open_directory(folder: Path, wants: Wants | None) -> ArchiveReader | Finding:
    """An archive as a directory."""
    stream = FileStream(folder / "toc.dat")
    try:
        header = read_header(stream)
        entries = read_entries(stream, header)
        if stream.some(1):
            return fault(
                "contents-damaged",
                f"behind the last entry of toc.dat come more bytes, at {stream.offset - 1:,}",
                "the table of contents is damaged; take the backup from another copy",
            )
        return ArchiveReader(header, entries, Directory(folder, entries), wants)
    except (BadContents, CutShort) as error:
        return damaged_contents(error)

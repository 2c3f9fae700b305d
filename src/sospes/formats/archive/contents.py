"""The header and the table of contents of a PostgreSQL archive.

Source: the server's public source, its archiver's notes on the layout of versions 1.12 to 1.16, and files that
servers 15 to 18 wrote. Integers are a sign byte and `integer_size` bytes, lowest first; texts a length and bytes, -1
for none.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from enum import IntEnum

from sospes.formats.archive.bytestream import ByteStream
from sospes.sql.characters import codec_of

NAME = "pg-archive"
MAGIC = b"PGDMP"
NEWEST = (1, 16)
OLDEST = (1, 12)
LONGEST_TEXT = 64 << 20
MOST_ENTRIES = 10_000_000
_CLIENT_ENCODING = re.compile(rb"client_encoding\s*=\s*'([\w-]+)'")
ALGORITHMS = {0: None, 1: "gzip", 2: "lz4", 3: "zstandard"}


class Layout(IntEnum):
    """How the data lie beside the table of contents."""

    SINGLE = 1
    TAR = 3
    DIRECTORY = 5


class OffsetState(IntEnum):
    """What a single file's table of contents says of an entry's data."""

    NOT_SET = 1
    SET = 2
    NO_DATA = 3


class BadContents(Exception):
    """The table of contents can't be what it should. `offset` is where, `problem` what was found there."""

    def __init__(self, offset: int, problem: str) -> None:
        super().__init__(offset, problem)
        self.offset, self.problem = offset, problem


@dataclass(frozen=True, slots=True, kw_only=True)
class ArchiveHeader:
    """What stands before the table of contents; `created` is local time without a zone."""

    version: tuple[int, int, int]
    layout: Layout
    compression: str | None
    created: str | None
    database: str | None
    server_version: str | None
    program_version: str | None
    integer_size: int
    offset_size: int


@dataclass(frozen=True, slots=True, kw_only=True)
class TocEntry:
    """One entry. `offset` is where a single file has its data, `file` which member of a directory or tar does.

    `drop` is what a restore runs that cleans up first; `odd` says what in its lesser fields no writer would write.
    """

    identity: int
    has_data: bool
    tag: str
    kind: str
    section: int
    definition: bytes
    drop: bytes
    copy: bytes
    schema: str | None
    owner: str | None
    depends_on: tuple[int, ...]
    state: OffsetState | None = None
    offset: int = 0
    file: str | None = None
    odd: str = ""


@dataclass(slots=True)
class _Fields:
    """Reads the kinds of fields that header and entries are made of."""

    stream: ByteStream
    integer_size: int = 4
    offset_size: int = 8
    codec: str = "utf-8"

    def byte(self) -> int:
        return self.stream.read(1)[0]

    def integer(self) -> int:
        data = self.stream.read(1 + self.integer_size)
        value = int.from_bytes(data[1:], "little")
        if data[0] > 1:
            raise BadContents(self.stream.offset - len(data), f"the sign of a number is {data[0]}, not 0 or 1")
        return -value if data[0] else value

    def raw(self) -> bytes | None:
        length = self.integer()
        if length < 0:
            return None
        if length > LONGEST_TEXT:
            raise BadContents(self.stream.offset, f"a text is said to have {length:,} bytes")
        return self.stream.read(length)

    def text(self) -> str | None:
        data = self.raw()
        return None if data is None else data.decode(self.codec, "replace")

    def offset(self) -> tuple[OffsetState, int]:
        state = self.byte()
        if state not in set(OffsetState):
            raise BadContents(self.stream.offset - 1, f"the state of an offset is {state}, not 1, 2 or 3")
        return OffsetState(state), int.from_bytes(self.stream.read(self.offset_size), "little")


def read_header(stream: ByteStream) -> ArchiveHeader:
    """Read the header. Raises BadContents or CutShort."""
    fields = _Fields(stream)
    if stream.read(5) != MAGIC:
        raise BadContents(0, "it does not begin like an archive")
    version = (fields.byte(), fields.byte(), fields.byte())
    if version[0] != 1 or version[:2] < OLDEST:
        raise BadContents(5, f"its version is {'.'.join(map(str, version))}, known are 1.12 to 1.16")
    fields.integer_size, fields.offset_size, layout = fields.byte(), fields.byte(), fields.byte()
    if not 1 <= fields.integer_size <= 8 or not 1 <= fields.offset_size <= 8:
        raise BadContents(8, f"sizes of numbers are {fields.integer_size} and {fields.offset_size} bytes")
    if layout not in set(Layout):
        raise BadContents(10, f"its layout is {layout}, known are 1, 3 and 5")
    compression = _compression(fields, version)
    created = _created([fields.integer() for _ in range(7)])
    return ArchiveHeader(
        version=version,
        layout=Layout(layout),
        compression=compression,
        created=created,
        database=fields.text(),
        server_version=fields.text(),
        program_version=fields.text(),
        integer_size=fields.integer_size,
        offset_size=fields.offset_size,
    )


def _compression(fields: _Fields, version: tuple[int, int, int]) -> str | None:
    """Before 1.15 a level, from then on one byte for the algorithm."""
    if version < (1, 15, 0):
        return None if fields.integer() == 0 else "gzip"
    algorithm = fields.byte()
    if algorithm not in ALGORITHMS:
        raise BadContents(11, f"its compression is number {algorithm}, known are 0 to 3")
    return ALGORITHMS[algorithm]


def _created(parts: list[int]) -> str | None:
    """When it was made: seconds first, months from 0, years from 1900, as the C library counts."""
    second, minute, hour, day, month, year, _ = parts
    if not (0 <= second < 61 and 0 <= minute < 60 and 0 <= hour < 24 and 1 <= day < 32 and 0 <= month < 12):
        return None
    return f"{year + 1900:04}-{month + 1:02}-{day:02}T{hour:02}:{minute:02}:{second:02}"


def read_entries(stream: ByteStream, header: ArchiveHeader) -> list[TocEntry]:
    """Read the table of contents. Raises BadContents or CutShort; counts and lengths are bounded."""
    fields = _Fields(stream, header.integer_size, header.offset_size)
    count = fields.integer()
    if not 0 <= count <= MOST_ENTRIES:
        raise BadContents(stream.offset, f"it is said to have {count:,} entries")
    entries = []
    for _ in range(count):
        entries.append(_entry(fields, header))
        if entries[-1].kind == "ENCODING":  # it comes first; names are in the client's character set
            fields.codec = _codec_in(entries[-1].definition) or fields.codec
    seen: set[int] = set()
    for entry in entries:
        if entry.identity in seen:
            raise BadContents(stream.offset, f"two entries have the number {entry.identity}")
        seen.add(entry.identity)
    return entries


def _codec_in(definition: bytes) -> str | None:
    """The codec that a definition sets for all texts, if it is the one that does."""
    match = _CLIENT_ENCODING.search(definition)
    return codec_of(match[1].decode()) if match else None


def _entry(fields: _Fields, header: ArchiveHeader) -> TocEntry:
    """One entry, its fields in the order of its version."""
    identity = fields.integer()
    has_data = fields.integer() != 0
    catalog, number = fields.raw(), fields.raw()  # where the server keeps the object
    tag, kind, section = fields.text(), fields.text(), fields.integer()
    definition, drop, copy = fields.raw(), fields.raw(), fields.raw()
    schema = fields.text()
    fields.raw()  # tablespace
    if header.version >= (1, 14, 0):
        fields.raw()  # table access method
    if header.version >= (1, 16, 0):
        fields.integer()  # kind of relation
    owner = fields.text()
    numbered = fields.raw()  # rows with object numbers, which servers no longer have
    depends_on = _dependencies(fields)
    state, offset, file = None, 0, None
    if header.layout is Layout.SINGLE:
        state, offset = fields.offset()
    else:
        file = fields.text() or None
    return TocEntry(
        identity=identity, has_data=has_data, tag=tag or "", kind=kind or "", section=section,
        definition=definition or b"", drop=drop or b"", copy=copy or b"", schema=schema or None, owner=owner or None,
        depends_on=depends_on, state=state, offset=offset, file=file,
        odd=_oddity((catalog, number), numbered, (state, offset)),
    )  # fmt: skip


def _oddity(
    catalog: tuple[bytes | None, bytes | None], numbered: bytes | None, placed: tuple[OffsetState | None, int]
) -> str:
    """What of an entry can't be as it is; empty if all can."""
    for text in catalog:
        if not (text or b"0").isdigit():
            return f"{text!r} is no number of an object"
    if numbered not in {b"true", b"false", b"", None}:
        return f"{numbered!r} is neither true nor false"
    if placed[0] in {OffsetState.NO_DATA, OffsetState.NOT_SET} and placed[1]:
        return f"it has no data, and their offset is {placed[1]:,}"
    return ""


def _dependencies(fields: _Fields) -> tuple[int, ...]:
    """The numbers of the entries that this one needs."""
    found = []
    while (text := fields.text()) is not None:
        if not text.isdecimal():
            raise BadContents(fields.stream.offset, f"a dependency is {text[:40]!r}, not a number")
        found.append(int(text))
    return tuple(found)


def in_order(entries: list[TocEntry]) -> tuple[list[TocEntry], list[TocEntry]]:
    """The entries so that each comes after what it depends on, else as stored; and those that depend in a loop."""
    known = {entry.identity: entry for entry in entries}
    waiting = {
        entry.identity: {other for other in entry.depends_on if other in known and other != entry.identity}
        for entry in entries
    }
    ordered: list[TocEntry] = []
    placed: set[int] = set()
    left = list(entries)
    while left:
        later = []
        for entry in left:
            if waiting[entry.identity] <= placed:
                ordered.append(entry)
                placed.add(entry.identity)
            else:
                later.append(entry)
        if len(later) == len(left):
            return ordered + later, later
        left = later
    return ordered, []

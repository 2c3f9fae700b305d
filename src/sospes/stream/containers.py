"""Compressed containers, told by their first bytes: gzip (RFC 1952), bzip2, xz, lz4, zstandard (RFC 8878)."""

from __future__ import annotations

import bz2
import lzma
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from typing import Protocol

from sospes.model.findings import Finding, Place, doubt, fault, note

PLAIN_SIZE = 1 << 20
"""Plain text is handed on in blocks of at most this many bytes."""


@dataclass(frozen=True, slots=True)
class Block:
    """Plain bytes, where they start in the plain text, and how far the stored bytes were read by then."""

    data: bytes
    plain_from: int
    stored_to: int


class Decoder(Protocol):
    """Unpacks one member of a container."""

    @property
    def eof(self) -> bool:
        """Whether the member has ended, its checksum agreeing."""
        ...

    @property
    def unused_data(self) -> bytes:
        """What followed the member's end in the bytes given."""
        ...

    @property
    def needs_input(self) -> bool:
        """Whether nothing more can come out without further bytes."""
        ...

    def decompress(self, data: bytes, max_length: int) -> bytes:
        """Unpack at most `max_length` bytes; raises an error of the container's own for damage."""
        ...


@dataclass(frozen=True, slots=True)
class Container:
    """A kind of container: its name, how its members begin, and what unpacks one."""

    name: str
    begins: tuple[bytes, ...]
    decoder: Callable[[], Decoder]
    input_size: int = 1 << 18

    def recognises(self, head: bytes) -> bool:
        """Whether `head` is the beginning of a member."""
        return head.startswith(self.begins) if len(head) > 3 else False


class _ZstandardDecoder:
    """Gives the zstandard decoder the shape of the others; its input comes in small parts to bound output."""

    def __init__(self) -> None:
        import zstandard

        self._decoder = zstandard.ZstdDecompressor(max_window_size=1 << 31).decompressobj()
        self.needs_input = True

    @property
    def eof(self) -> bool:
        return self._decoder.eof

    @property
    def unused_data(self) -> bytes:
        return self._decoder.unused_data

    def decompress(self, data: bytes, max_length: int) -> bytes:
        return self._decoder.decompress(data)


class _ZstandardSkippable:
    """A skippable frame: a magic number, a length of 4 bytes, and that many bytes to pass over."""

    def __init__(self) -> None:
        self._seen = b""
        self._left: int | None = None
        self.eof = False
        self.needs_input = True
        self.unused_data = b""

    def decompress(self, data: bytes, max_length: int) -> bytes:
        if self._left is None:
            self._seen += data
            if len(self._seen) < 8:
                return b""
            self._left = int.from_bytes(self._seen[4:8], "little")
            data = self._seen[8:]
        self.unused_data = data[self._left :]
        self._left -= len(data) - len(self.unused_data)
        self.eof = self._left == 0
        return b""


def _gzip() -> Decoder:
    from isal import igzip_lib

    decoder: Decoder = igzip_lib.IgzipDecompressor(flag=igzip_lib.DECOMP_GZIP)
    return decoder


def _zlib() -> Decoder:
    from isal import igzip_lib

    decoder: Decoder = igzip_lib.IgzipDecompressor(flag=igzip_lib.DECOMP_ZLIB)
    return decoder


def _lz4() -> Decoder:
    import lz4.frame

    decoder: Decoder = lz4.frame.LZ4FrameDecompressor()
    return decoder


ZLIB = Container("zlib", (b"\x78\x01", b"\x78\x5e", b"\x78\x9c", b"\x78\xda"), _zlib)
"""Not among those that are recognised: two bytes are too few to tell it from other data."""

CONTAINERS = (
    Container("gzip", (b"\x1f\x8b\x08",), _gzip),
    Container("bzip2", tuple(b"BZh%d" % level for level in range(1, 10)), bz2.BZ2Decompressor),
    Container("xz", (b"\xfd7zXZ\x00",), lambda: lzma.LZMADecompressor(lzma.FORMAT_XZ)),
    Container("zstandard", (b"\x28\xb5\x2f\xfd",), _ZstandardDecoder, 1 << 16),
    Container("lz4", (b"\x04\x22\x4d\x18",), _lz4),
    Container("zstandard", tuple(bytes([0x50 + n]) + b"\x2a\x4d\x18" for n in range(16)), _ZstandardSkippable),
)


def container_of(head: bytes) -> Container | None:
    """The container that begins with `head`, None for anything else."""
    return next((container for container in CONTAINERS if container.recognises(head)), None)


def unpack(blocks: Iterable[Block | Finding], container: Container) -> Iterator[Block | Finding]:
    """Unpack all members; damage is a finding, after which nothing more comes of this container."""
    member = _Members(container)
    for block in blocks:
        if isinstance(block, Finding):
            yield block
            continue
        for start in range(0, len(block.data), container.input_size):
            part = block.data[start : start + container.input_size]
            yield from member.feed(part, block.plain_from + start)
            if member.stopped:
                return
    yield from member.close()


class _Members:
    """Goes from member to member of a container, and turns what the decoders raise into findings."""

    def __init__(self, container: Container) -> None:
        self._container = container
        self._decoder: Decoder | None = None
        self._begin = b""
        self._member_from = 0
        self._members = 0
        self._plain = 0
        self._stored_to = 0
        self.stopped = False

    def feed(self, data: bytes, stored_from: int) -> Iterator[Block | Finding]:
        """Unpack `data`, which starts at `stored_from`."""
        self._stored_to = stored_from + len(data)
        while data or (self._decoder is not None and not self._decoder.needs_input):
            if self._decoder is None:
                data = self._begin + data
                self._begin = b""
                finding = self._next_member(data)
                if finding is not None:
                    yield finding
                if self._decoder is None:
                    return
            try:
                plain = self._decoder.decompress(data, PLAIN_SIZE)
            except Exception as error:  # each decoder has error types of its own, all mean damage
                self.stopped = True
                yield self._damage(error)
                return
            data = b""
            if plain:
                yield Block(plain, self._plain, self._stored_to)
                self._plain += len(plain)
            if self._decoder.eof:
                data = self._decoder.unused_data
                self._decoder = None
                self._members += 1

    def _next_member(self, data: bytes) -> Finding | None:
        """Start the decoder of the member that `data` begins with, or say what it is instead."""
        self._member_from = self._stored_to - len(data)
        if not data.strip(b"\0"):
            return None
        if len(data) < 6:
            self._begin = data
            return None
        found = self._container if self._container.recognises(data) else container_of(data)
        if found is not None and found.name == self._container.name:
            self._decoder = found.decoder()
            return None
        self.stopped = True
        return self._foreign(data)

    def _foreign(self, data: bytes) -> Finding:
        return doubt(
            "trailing-bytes",
            f"after the {self._container.name} data come bytes that do not belong to it: {data[:40]!r}",
            "find out what wrote them: a backup program's error message, or a second file glued on",
            Place(stored_from=self._member_from),
        )

    def _damage(self, error: Exception) -> Finding:
        where = f"the {self._container.name} member that starts at byte {self._member_from:,}"
        return fault(
            "container-damaged",
            f"{where} can't be unpacked: {str(error).strip().rstrip('.') or type(error).__name__}",
            "the damage is somewhere in that member before the place named; take the backup from another copy",
            Place(stored_from=self._member_from, stored_to=self._stored_to, plain_from=self._plain),
        )

    def close(self) -> Iterator[Finding]:
        """At the end of the stored bytes: is the last member whole?"""
        if self._begin:
            yield self._foreign(self._begin)
        if self._decoder is not None:
            yield fault(
                "truncated",
                f"the {self._container.name} data end in mid-member after {self._stored_to:,} stored bytes",
                "the file was cut off: copy it again, or take the backup again",
                Place(stored_from=self._stored_to, stored_to=self._stored_to, plain_from=self._plain),
            )
        elif self._members > 1:
            yield note("several-members", f"{self._members:,} {self._container.name} members in a row")

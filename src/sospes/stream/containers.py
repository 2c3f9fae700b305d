"""Compressed containers, told by their first bytes: gzip (RFC 1952), bzip2, xz, lz4, zstandard (RFC 8878)."""

from __future__ import annotations

import bz2
import lzma
import re
from collections.abc import Callable
from dataclasses import dataclass
from typing import Protocol

from sospes.stream.boundaries import Lz4Blocks, Walker, XzBlocks


@dataclass(frozen=True, slots=True)
class Block:
    """Plain bytes, where they start in the plain text, and how far the stored bytes were read by then.

    gap  bytes are missing before these; `plain_from` counts only what could be unpacked
    """

    data: bytes
    plain_from: int
    stored_to: int
    gap: bool = False


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
    """A kind of container: its name, how its members begin, and what unpacks one.

    search      finds where a member may begin in the midst of other bytes; None where that can't be told
    walker      follows the blocks of a member that can be unpacked on their own
    input_size  bytes that are given to the decoder at a time; small where it sets no bound to what comes out
    """

    name: str
    begins: tuple[bytes, ...]
    decoder: Callable[[], Decoder]
    search: re.Pattern[bytes] | None = None
    walker: Callable[[], Walker] | None = None
    input_size: int = 1 << 18

    def recognises(self, head: bytes) -> bool:
        """Whether `head` is the beginning of a member."""
        return head.startswith(self.begins) if len(head) > 3 else False


class _ZstandardDecoder:
    """Gives the zstandard decoder the shape of the others; small parts of input bound what comes out at once."""

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

_GZIP_HEAD = re.compile(rb"\x1f\x8b\x08[\x00-\x1f].{4}[\x00\x02\x04][\x00-\x0d\xff]", re.S)
_XZ_HEAD = re.compile(rb"\xfd7zXZ\x00\x00[\x00-\x0f]")
_ZSTANDARD_HEAD = re.compile(rb"\x28\xb5\x2f\xfd|[\x50-\x5f]\x2a\x4d\x18")
_LZ4_HEAD = re.compile(rb"\x04\x22\x4d\x18[\x40-\x7f][\x40\x50\x60\x70]")

BZIP2 = "bzip2"
CONTAINERS = (
    Container("gzip", (b"\x1f\x8b\x08",), _gzip, _GZIP_HEAD),
    Container(BZIP2, tuple(b"BZh%d" % level for level in range(1, 10)), bz2.BZ2Decompressor),
    Container("xz", (b"\xfd7zXZ\x00",), lambda: lzma.LZMADecompressor(lzma.FORMAT_XZ), _XZ_HEAD, XzBlocks),
    Container("zstandard", (b"\x28\xb5\x2f\xfd",), _ZstandardDecoder, _ZSTANDARD_HEAD, input_size=1 << 12),
    Container("lz4", (b"\x04\x22\x4d\x18",), _lz4, _LZ4_HEAD, Lz4Blocks),
    Container("zstandard", tuple(bytes([0x50 + n]) + b"\x2a\x4d\x18" for n in range(16)), _ZstandardSkippable),
)


def container_of(head: bytes) -> Container | None:
    """The container that begins with `head`, None for anything else."""
    return next((container for container in CONTAINERS if container.recognises(head)), None)

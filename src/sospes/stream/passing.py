"""The digest of a backup's stored bytes, taken while they are read for something else, or by reading them for it."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from pathlib import Path

import xxhash

from sospes.model.findings import Finding
from sospes.places.source import Source
from sospes.stream.blocks import BLOCK_SIZE, Digest, block_digests


class PassedBytes:
    """Sums up the first complete pass over a source.

    The digest is that of its blocks' digests, as seals have it for the whole file, so a file and its pieces agree.
    """

    def __init__(self) -> None:
        self.digest: str | None = None
        self.size = 0

    def watch(self, source: Source) -> Source:
        """The same source, whose blocks are summed up as they pass."""
        return _Watched(source, self)

    def known(self, digest: bytes, size: int) -> None:
        """The digest, where it was found out in another way."""
        self.digest, self.size = _named(digest.hex()), size

    def taken(self, blocks: Iterator[bytes]) -> Iterator[bytes]:
        """The blocks, unchanged; once all of them have passed, the digest is there."""
        whole, rest, size = xxhash.xxh3_128(), bytearray(), 0
        for data in blocks:
            size += len(data)
            rest += data
            while len(rest) >= BLOCK_SIZE:
                with memoryview(rest) as view:
                    whole.update(xxhash.xxh3_128_digest(view[:BLOCK_SIZE]))
                del rest[:BLOCK_SIZE]
            yield data
        if rest:
            whole.update(xxhash.xxh3_128_digest(rest))
        if self.digest is None:
            self.digest, self.size = _named(whole.hexdigest()), size


class _Watched:
    """A source that tells of the blocks that are read of it, from its first one to its last."""

    def __init__(self, source: Source, passed: PassedBytes) -> None:
        self._source = source
        self._passed = passed

    @property
    def name(self) -> str:
        return self._source.name

    @property
    def size(self) -> int | None:
        return self._source.size

    @property
    def path(self) -> Path | None:
        return self._source.path

    @property
    def changed_at(self) -> float | None:
        return self._source.changed_at

    def blocks(self, start: int = 0) -> Iterator[bytes]:
        blocks = self._source.blocks(start)
        return blocks if start or self._passed.digest else self._passed.taken(blocks)

    def head(self, length: int) -> bytes:
        return self._source.head(length)

    def part(self, start: int, length: int) -> bytes:
        return self._source.part(start, length)

    def changes(self) -> Iterator[Finding]:
        return self._source.changes()


def digest_of(source: Source, names: Sequence[str] = ()) -> str:
    """The digest of a source whose size is known, by reading all of it; of a folder with its files' names."""
    whole = xxhash.xxh3_128()
    for digest, _ in block_digests(source, Digest.FAST):
        whole.update(digest)
    if names:
        whole.update("\0".join(names).encode("utf-8", "surrogateescape"))
    return _named(whole.hexdigest())


def _named(digest: str) -> str:
    return f"{Digest.FAST}:{digest}"

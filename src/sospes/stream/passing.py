"""The digest of a backup's stored bytes, taken while they are read for something else, or by reading them for it."""

from __future__ import annotations

import threading
from collections.abc import Iterator, Mapping
from pathlib import Path

import xxhash

from sospes.model.findings import Finding
from sospes.places.local import LocalFolder
from sospes.places.source import Source
from sospes.stream.blocks import BLOCK_SIZE, Digest, block_digests


class PassedBytes:
    """Sums up a source's bytes as they are read in order, by blocks or in parts; what is read twice counts once.

    The digest is that of its blocks' digests, as seals have it for the whole file, so a file and its pieces agree. It
    is None until all bytes have passed.
    """

    def __init__(self) -> None:
        self.digest: str | None = None
        self.size = 0
        self._whole = xxhash.xxh3_128()
        self._rest = bytearray()
        self._lock = threading.Lock()

    def watch(self, source: Source) -> Source:
        """The same source, whose bytes are summed up as they pass."""
        return _Watched(source, self)

    def known(self, digest: bytes, size: int) -> None:
        """The digest, where it was found out in another way."""
        self.digest, self.size = _named(digest.hex()), size

    def saw(self, start: int, data: bytes) -> None:
        """Take in bytes that were read from an offset; those that don't follow on what has passed are left out."""
        with self._lock:
            if self.digest is not None or not start <= self.size < start + len(data):
                return
            new = data if start == self.size else data[self.size - start :]
            self.size = start + len(data)
            if len(new) == BLOCK_SIZE and not self._rest:  # as nearly always: nothing is copied
                self._whole.update(xxhash.xxh3_128_digest(new))
                return
            self._rest += new
            while len(self._rest) >= BLOCK_SIZE:
                with memoryview(self._rest) as view:
                    self._whole.update(xxhash.xxh3_128_digest(view[:BLOCK_SIZE]))
                del self._rest[:BLOCK_SIZE]

    def ended(self, size: int) -> None:
        """There are so many bytes: with all of them seen, the digest is there."""
        with self._lock:
            if self.digest is None and self.size == size:
                if self._rest:
                    self._whole.update(xxhash.xxh3_128_digest(self._rest))
                self.digest = _named(self._whole.hexdigest())


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
        position = start
        for data in self._source.blocks(start):
            self._passed.saw(position, data)
            position += len(data)
            yield data
        self._passed.ended(position)

    def head(self, length: int) -> bytes:
        return self._source.head(length)

    def part(self, start: int, length: int) -> bytes:
        data = self._source.part(start, length)
        self._passed.saw(start, data)
        if start + len(data) == self._source.size:
            self._passed.ended(self._source.size)
        return data

    def changes(self) -> Iterator[Finding]:
        return self._source.changes()


def digest_of(source: Source) -> str:
    """The digest of a source whose size is known, by reading all of it."""
    whole = xxhash.xxh3_128()
    for digest, _ in block_digests(source, Digest.FAST):
        whole.update(digest)
    return _named(whole.hexdigest())


def folder_digest(files: Mapping[str, str]) -> bytes:
    """The digest of a folder, by those of its files under their names."""
    said = "".join(f"{name}\0{files[name]}\n" for name in sorted(files))
    return xxhash.xxh3_128_digest(said.encode("utf-8", "surrogateescape"))


def digest_of_folder(folder: LocalFolder) -> str:
    """The digest of a folder, by reading all of its files."""
    digests = {name: digest_of(file) for name in folder.names() if (file := folder.file(name)) is not None}
    return _named(folder_digest(digests).hex())


def pass_folder(passed: PassedBytes, folder: LocalFolder, read: Mapping[str, PassedBytes]) -> None:
    """Tell the digest of a folder, of whose files most were read; what wasn't is read for it, and should be small."""
    digests: dict[str, str] = {}
    for name in folder.names():
        seen, file = read.get(name), folder.file(name)
        if seen is not None and seen.digest is not None:
            digests[name] = seen.digest
        elif file is not None:
            digests[name] = digest_of(file)
    passed.known(folder_digest(digests), folder.size)


def _named(digest: str) -> str:
    return f"{Digest.FAST}:{digest}"

"""Digests of a source's stored bytes, block by block, by two threads: hashing doesn't hold the interpreter's lock."""

from __future__ import annotations

import hashlib
from collections.abc import Callable, Iterator, Sequence
from concurrent.futures import ThreadPoolExecutor
from enum import StrEnum

from sospes.places.source import Source

BLOCK_SIZE = 1 << 20
PART_BLOCKS = 8
WORKERS = 2


class Digest(StrEnum):
    """How blocks are digested: fast for accidents, cryptographic where somebody might change the bytes on purpose."""

    FAST = "xxh3-128"
    CRYPTOGRAPHIC = "sha256"


def hasher(digest: Digest) -> Callable[[bytes | memoryview], bytes]:
    """The function of a digest."""
    if digest is Digest.CRYPTOGRAPHIC:
        return lambda data: hashlib.sha256(data).digest()
    import xxhash

    return xxhash.xxh3_128_digest


def block_digests(
    source: Source, digest: Digest, progress: Callable[[int], None] | None = None
) -> Iterator[tuple[bytes, int]]:
    """The digest and the length of each block of 1 MiB, the last one shorter."""
    hashed = hasher(digest)
    step = BLOCK_SIZE * PART_BLOCKS
    size = source.size or 0

    def part(start: int) -> list[tuple[bytes, int]]:
        data = memoryview(source.part(start, step))
        blocks = [data[at : at + BLOCK_SIZE] for at in range(0, len(data), BLOCK_SIZE)]
        return [(hashed(block), len(block)) for block in blocks]

    with ThreadPoolExecutor(WORKERS) as pool:
        waiting = []
        for start in range(0, size, step):
            waiting.append(pool.submit(part, start))
            if len(waiting) > 2 * WORKERS:
                yield from waiting.pop(0).result()
                if progress is not None:
                    progress(start)
        for future in waiting:
            yield from future.result()


def whole_digest(digests: Sequence[bytes], digest: Digest) -> bytes:
    """The digest of a whole file: that of its blocks' digests, one behind the other."""
    return hasher(digest)(b"".join(digests))

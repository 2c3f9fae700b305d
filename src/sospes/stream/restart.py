"""Restart points: places inside compressed data where unpacking can begin without what is before them.

gzip: points with their window of 32 KiB, as the package indexed-gzip keeps them; others: the beginnings of members,
and of blocks that can be unpacked on their own.
"""

from __future__ import annotations

import io
from bisect import bisect_right
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

from sospes.model.errors import CannotCheck
from sospes.places.source import Source
from sospes.stream.bzip2 import Bzip2Reader
from sospes.stream.containers import BZIP2, CONTAINERS, Block
from sospes.stream.unpacking import continued

SPACING = 4 << 20
"""Plain bytes between restart points at least."""

MOST_POINTS = 512
READ_SIZE = 1 << 20


@dataclass(frozen=True, slots=True, kw_only=True)
class Restarts:
    """Where unpacking can begin.

    container  the container's name; None for plain text, where it can begin anywhere
    points     pairs of stored and plain offset
    prefix     what must be unpacked before a block; the points where members begin need none
    index      the points of a gzip stream with their windows, as indexed-gzip exports them
    reason     why there is nowhere but the beginning to begin
    """

    container: str | None
    points: tuple[tuple[int, int], ...] = ()
    prefix: bytes = b""
    index: bytes = b""
    reason: str | None = None

    def stored_around(self, begin: int, end: int, size: int) -> tuple[int, int]:
        """The stored bytes that the plain range is unpacked from, in a file of `size` bytes."""
        if self.container is None:
            return begin, end
        # Unpacking begins at the last point that is not behind `begin`, and goes on to the first one behind `end`.
        first = max(0, bisect_right(self.points, begin, key=lambda point: point[1]) - 1)
        last = bisect_right(self.points, end, key=lambda point: point[1])
        stored_from = self.points[first][0] if self.points else 0
        return stored_from, self.points[last][0] if last < len(self.points) else size

    @property
    def useful(self) -> bool:
        """Whether unpacking can begin anywhere but at the beginning."""
        return self.container is None or bool(self.index) or len(self.points) > 1


def gzip_restarts(path: Path, plain_bytes: int) -> Restarts:
    """Points inside of gzip members; reads all of the file."""
    import indexed_gzip

    spacing = max(SPACING, plain_bytes // MOST_POINTS)
    with indexed_gzip.IndexedGzipFile(str(path), spacing=spacing) as file:
        file.build_full_index()
        points = tuple((stored, plain) for plain, stored in file.seek_points())
        exported = io.BytesIO()
        file.export_index(fileobj=exported)
    return Restarts(container="gzip", points=points, index=exported.getvalue())


def thinned(points: list[tuple[int, int]], plain_bytes: int) -> tuple[tuple[int, int], ...]:
    """Fewer points, at least the spacing apart."""
    spacing = max(SPACING, plain_bytes // MOST_POINTS)
    kept: list[tuple[int, int]] = []
    for point in points:
        if not kept or point[1] - kept[-1][1] >= spacing:
            kept.append(point)
    return tuple(kept)


def plain_from(source: Source, restarts: Restarts, begin: int, end: int) -> Iterator[Block]:
    """The plain bytes from `begin` to `end`, unpacked from the nearest restart point on."""
    position = begin
    for block in _unpacked(source, restarts, begin):
        data = block.data[max(0, begin - block.plain_from) :][: end - position]
        if data and block.plain_from + len(block.data) > begin:
            yield Block(data, position, block.stored_to)
            position += len(data)
        if position >= end:
            return
    if position < end:
        raise CannotCheck(
            f"{source.name}: the restart points of its seal lead to byte {position:,} of the text, not to {end:,}",
            "leave the seal away with --no-seal, and make a new one",
        )


def _unpacked(source: Source, restarts: Restarts, begin: int) -> Iterator[Block]:
    """Plain blocks from the nearest place at or before `begin` where unpacking can begin."""
    if restarts.container is None:
        position = begin
        for data in source.blocks(begin):
            yield Block(data, position, position + len(data))
            position += len(data)
        return
    if restarts.index:
        yield from _from_index(source, restarts, begin)
        return
    place = max(0, bisect_right(restarts.points, begin, key=lambda point: point[1]) - 1)
    stored, plain = restarts.points[place] if restarts.points else (0, 0)
    blocks = (Block(data, at, at + len(data)) for at, data in _with_offsets(source, stored))
    if restarts.container == BZIP2:
        unpacked = Bzip2Reader(plain).unpack(blocks)
    else:
        container = next(one for one in CONTAINERS if one.name == restarts.container)
        # A point may be a member's beginning, which needs nothing before it, or a block in its midst, which needs the
        # member's head.
        member = container.recognises(source.part(stored, 16))
        unpacked = continued(blocks, container, b"" if member else restarts.prefix, (stored, plain))
    for block in unpacked:
        if isinstance(block, Block):
            yield block


def _with_offsets(source: Source, start: int) -> Iterator[tuple[int, bytes]]:
    """Stored blocks with the offset of each."""
    for data in source.blocks(start):
        yield start, data
        start += len(data)


def _from_index(source: Source, restarts: Restarts, begin: int) -> Iterator[Block]:
    """Plain blocks of gzip data, by the windows of 32 KiB that its index keeps for each point."""
    import indexed_gzip

    path = source.path
    assert path is not None  # only single files get an index
    with indexed_gzip.IndexedGzipFile(str(path), index_file=None) as file:
        try:
            file.import_index(fileobj=io.BytesIO(restarts.index))
            file.seek(begin)
            position = begin
            while data := file.read(READ_SIZE):
                yield Block(data, position, 0)
                position += len(data)
        except OSError as error:
            # The package's own errors are of this kind, too, and carry no number of the system's.
            if error.errno is not None:
                raise
            raise CannotCheck(
                f"{source.name}: the restart points of its seal lead nowhere: {error}",
                "leave the seal away with --no-seal, and make a new one",
            ) from None

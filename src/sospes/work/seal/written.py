"""A seal's line of JSON as it has to be: the library checks types and bounds by these classes, in one pass.

A seal may have been made by anybody: what its digest says is only that it is whole.
"""

from __future__ import annotations

from datetime import datetime
from typing import Annotated

import msgspec

from sospes.model.entries import Engine
from sospes.stream.blocks import Digest

_Count = Annotated[int, msgspec.Meta(ge=0, le=(1 << 63) - 1)]
_Range = tuple[_Count, _Count]


class _Header(msgspec.Struct, frozen=True):
    """What the backup said of itself."""

    format: str
    engine: Engine | None
    engine_version: str | None
    databases: list[str]
    compression: str | None
    written_at: str | None
    verdict: str
    heads: dict[str, str]


class WrittenTotal(msgspec.Struct, frozen=True):
    """A control total of a column."""

    column: str
    values: _Count
    nulls: _Count
    sum: str | None
    lowest: str | None
    highest: str | None


class WrittenTable(msgspec.Struct, frozen=True):
    """One table."""

    database: str | None
    schema: str | None
    name: str
    columns: tuple[str, ...]
    rows: _Count
    row_digest: str
    totals: tuple[WrittenTotal, ...]
    sections: tuple[_Range, ...]


class WrittenRestarts(msgspec.Struct, frozen=True):
    """Where unpacking can begin; bytes are hex, and the index is base 64."""

    container: str | None
    points: tuple[_Range, ...]
    prefix: str
    index: str
    reason: str | None


class WrittenSeal(msgspec.Struct, frozen=True):
    """The whole line."""

    version: _Count
    made_by: str
    made_at: datetime
    name: str
    size_bytes: _Count
    plain_bytes: _Count
    digest: Digest
    block_bytes: Annotated[int, msgspec.Meta(ge=1, le=1 << 40)]
    digests: tuple[str, ...]
    header: _Header
    tables: tuple[WrittenTable, ...]
    restarts: WrittenRestarts

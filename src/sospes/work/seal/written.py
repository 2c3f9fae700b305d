"""A seal's line of JSON as it has to be: the library checks types and bounds by these classes, in one pass.

A seal may have been made by anybody: what its digest says is only that it is whole.
"""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from typing import Annotated, Any

import msgspec

from sospes.model.entries import Engine, Name, joined
from sospes.stream.blocks import Digest

_Count = Annotated[int, msgspec.Meta(ge=0, le=(1 << 63) - 1)]
_Range = tuple[_Count, _Count]


class WrittenVersion(msgspec.Struct, frozen=True):
    """What a seal of any version begins with."""

    sospes_seal: Any = None


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


@dataclass(frozen=True, slots=True, kw_only=True)
class SealedTotal:
    """A control total of a column: the sum of its numbers as exact text, or its lowest and highest value."""

    column: str
    values: _Count
    nulls: _Count
    sum: str | None
    lowest: str | None
    highest: str | None


@dataclass(frozen=True, slots=True, kw_only=True)
class SealedTable:
    """What the seal says of a table.

    row_digest  the sum, modulo 2^128, of the XXH3 digests of its rows as they stand in the backup; order is no matter
    sections    plain ranges of its rows
    """

    database: str | None
    schema: str | None
    name: str
    columns: tuple[str, ...]
    rows: _Count
    row_digest: str
    totals: tuple[SealedTotal, ...]
    sections: tuple[_Range, ...]

    @property
    def label(self) -> str:
        """The name as people write it."""
        return joined(self.schema or self.database, self.name)

    @property
    def full_name(self) -> Name:
        """The name with all that is known of it."""
        return Name(self.database, self.schema, self.name)


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
    tables: tuple[SealedTable, ...]
    restarts: WrittenRestarts

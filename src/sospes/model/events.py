"""What readers yield, in stored order: entries, batches of rows, findings."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum

import numpy as np
from numpy.typing import NDArray

from sospes.model.entries import Engine, Entry, Name
from sospes.model.findings import Finding

Held = int | str | bytes | None
"""A value as a side copy holds it: integer, exact text, bytes, or NULL."""


class Notation(StrEnum):
    """How the cells of a batch are written."""

    COPY = "copy"
    POSTGRESQL = "postgresql literals"
    MARIADB = "mariadb literals"
    MARIADB_PLAIN = "mariadb literals without backslash escapes"
    SQLITE = "sqlite literals"
    RECORDS = "records"


@dataclass(frozen=True, slots=True, kw_only=True)
class Gap:
    """A stretch of a change log that is nowhere: the files around it, and the positions from where to where."""

    after: str
    before: str
    from_: str
    to: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Relation:
    """A table, index or sequence as a physical copy has it: its kind, its name, and bytes of its files.

    is_side  it holds the long values of the table that it is named after
    """

    kind: str
    database: str
    schema: str
    name: str
    size_bytes: int
    is_side: bool = False

    @property
    def label(self) -> str:
        """Schema and name."""
        return f"{self.schema}.{self.name}"


@dataclass(frozen=True, slots=True, kw_only=True)
class Window:
    """From the earliest to the latest moment that a restore can reach, as far as it is known.

    Times in ISO 8601, positions in the log in the server's own words.
    """

    from_: str | None
    to: str | None
    from_position: str | None = None
    to_position: str | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class PhysicalHeader:
    """What a physical copy or a change log says besides. Positions in the log are in the server's own words.

    follows       where the backup begins that it builds on; None for a full one
    log_from      from where the log is needed, and log_to up to where; None where nothing says
    logs_inside   whether there is any log in it
    tablespaces   their numbers
    files, pages, records  how many were read; None where only its head was
    first_at, last_at  when the first and the newest commit of a change log were, in ISO 8601
    gaps          of a change log
    window        that it reaches with the logs that were given with it
    relations     tables and indexes by its own catalogs; None where those were not read
    """

    label: str | None = None
    timeline: int | None = None
    data_checksums: bool | None = None
    follows: str | None = None
    log_from: str | None = None
    log_to: str | None = None
    logs_inside: bool | None = None
    tablespaces: tuple[str, ...] = ()
    files: int | None = None
    pages: int | None = None
    records: int | None = None
    first_at: str | None = None
    last_at: str | None = None
    gaps: tuple[Gap, ...] | None = None
    window: Window | None = None
    relations: tuple[Relation, ...] | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Header:
    """Who wrote a backup, of what, when. Unknown is None, never guessed.

    server   the host that its server was reached at
    system   what tells its server, or its database, from all others: a number that the engine made up
    cluster  it is of a whole server
    physical what a physical copy says besides
    """

    format: str
    engine: Engine | None = None
    engine_version: str | None = None
    program: str | None = None
    databases: tuple[str, ...] = ()
    server: str | None = None
    system: str | None = None
    encoding: str | None = None
    written_at: datetime | str | None = None
    started_at: str | None = None
    complete: bool | None = None
    kind: str | None = None
    cluster: bool = False
    physical: PhysicalHeader | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Batch:
    """Rows of right shape: one block of bytes, and where its cells stand.

    For COPY text `data` is whole lines, `starts` is None, and `ends`, of shape (rows, columns), may be: cells are
    then found when asked for. For literals both are arrays of shape (rows, columns), offsets into `data`. For records,
    `records` holds the values as the engine gave them. `skipped` are the places, counted from 0 and in
    order, of misshapen rows that were taken out of the block. `recoded` is the codec that the rows are stored in, where
    `data` is UTF-8 made from it, as bytes of its characters would be taken for marks.
    """

    notation: Notation
    data: bytes
    rows: int
    width: int
    encoding: str
    first_row: int
    plain_from: int
    plain_to: int
    line: int
    starts: NDArray[np.int64] | None = None
    ends: NDArray[np.int64] | None = None
    records: tuple[tuple[object, ...], ...] = ()
    skipped: tuple[int, ...] = ()
    recoded: str | None = None

    @property
    def stored(self) -> bytes:
        """The rows in the characters of the backup."""
        return self.data if self.recoded is None else self.data.decode(self.encoding).encode(self.recoded)

    def number_of(self, row: int) -> int:
        """The number in its table, from 1, of the row with index `row` in this batch."""
        for odd in self.skipped:
            if odd > row:
                break
            row += 1
        return self.first_row + row


@dataclass(frozen=True, slots=True, kw_only=True)
class RowsBegin:
    """Rows of a table follow. `columns` are the names as the data state them, None where they don't."""

    table: Name
    columns: tuple[str, ...] | None
    entry: Entry | None
    notation: Notation
    opening: bytes = b""


@dataclass(frozen=True, slots=True, kw_only=True)
class RowsEnd:
    """The rows end. `damaged` counts the rows that had a wrong shape and are in no batch.

    lost  further rows, nobody knows how many, can't be reached
    """

    table: Name
    rows: int
    damaged: int
    plain_from: int
    plain_to: int
    lost: bool = False


@dataclass(frozen=True, slots=True)
class LargeObjectPart:
    """Bytes of a large object, in order; a first part may be empty."""

    number: int
    data: bytes


Event = Entry | RowsBegin | Batch | RowsEnd | LargeObjectPart | Finding

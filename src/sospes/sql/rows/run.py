"""One run of rows of a script while it is read, and what can be said of its columns."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass, field

from sospes.model.entries import Column, Engine, Entry, Name
from sospes.model.events import Batch, Notation
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.model.kinds import Kind
from sospes.sql.lexis import Lexis

MOST_FINDINGS = 50
"""Findings about single rows of one table; further odd rows are counted and summed up in one more."""

_BINARY_TYPE = re.compile(
    r"\s*(?:tiny|medium|long)?blob|\s*(?:var)?binary|\s*bit\b|\s*(?:multi)?(?:point|linestring|polygon)|\s*geometry|"
    r"\s*vector|\s*bytea",
    re.I,
)


def is_binary(type_text: str) -> bool:
    """Whether a column's type holds bytes rather than text."""
    return _BINARY_TYPE.match(type_text) is not None


@dataclass(slots=True, kw_only=True)
class DataRun:
    """One run of rows while it is read: what is known before, and the counts so far.

    alone  the text holds these rows and nothing else, so what follows a gap is of the same table
    lost   some rows can't be reached, nobody knows how many
    lost_before  the same of an earlier run of the table
    unsure       why what stands behind the rows may be meant; empty where a backup program wrote the text
    """

    table: Name
    columns: tuple[str, ...] | None
    entry: Entry | None
    notation: Notation
    opening: bytes
    encoding: str
    lexis: Lexis
    crlf: bool = False
    wanted: bool = True
    alone: bool = False
    lost: bool = False
    lost_before: bool = False
    unsure: str = ""
    encoding_stated: bool = True
    rows: int = 0
    damaged: int = 0
    width: int = -1
    line_ends_told: bool = False
    _reported: int = field(default=0)

    def __post_init__(self) -> None:
        if self.columns is not None:
            self.width = len(self.columns)

    @property
    def next_row(self) -> int:
        """The number of the next row, counted from 1."""
        return self.rows + self.damaged + 1

    @property
    def told_enough(self) -> bool:
        """Whether further faults of rows are only counted, so that their places need not be looked for."""
        return self._reported >= MOST_FINDINGS

    def count_fault(self) -> None:
        """Count a fault that is not told."""
        self._reported += 1

    def row_fault(self, code: str, rows: tuple[int, int], message: str, place: Place) -> Iterator[Finding]:
        """A fault about rows `rows[0]` to `rows[1]`, as long as there are not too many."""
        self._reported += 1
        if self._reported > MOST_FINDINGS:
            return
        which = f"row {rows[0]:,}" if rows[0] == rows[1] else f"rows {rows[0]:,} to {rows[1]:,}"
        severity, advice = fault, "the row is damaged; take it from another backup, or extract the other tables"
        if code == "encoding-broken" and self.lexis.engine is Engine.SQLITE:
            severity, advice = note, "SQLite keeps any bytes as text: if the source has them so, all is well"
        elif code == "encoding-broken" and not self.encoding_stated:
            severity, advice = doubt, "the script names no character set: find out which one its client used"
        yield severity(code, f"{self.table.label}, {which}: {message}", advice, place).at(
            database=self.table.database,
            schema=self.table.schema,
            table=self.table.name,
            row_from=rows[0],
            row_to=rows[1],
        )

    def cut(self, begin: int, end: int, line: int, broken: bool) -> Finding:
        """A fault where the rows break off: text is missing, with `broken` only up to where it goes on."""
        self.lost = True
        label, number = self.table.label, self.next_row if self.wanted else None
        if number is None:  # rows that were passed over are not counted
            where = f"among the rows of {label}"
        else:
            where = f"in row {number:,} of {label}" if end > begin else f"after row {number - 1:,} of {label}"
        place = Place(
            plain_from=begin, plain_to=end, line=line, database=self.table.database, schema=self.table.schema,
            table=self.table.name, row_from=number,
        )  # fmt: skip
        if broken:
            return fault(
                "rows-lost",
                f"the text breaks off {where}: an unknown number of rows is lost to the damage there",
                "take the lost rows from another backup; --salvage uses those that are left",
                place,
            )
        return fault(
            "truncated",
            f"the text ends {where}: its closing mark and all that follows are gone",
            "the file was cut off: copy it again, or take the backup again",
            place,
        )

    def remainder(self) -> Iterator[Finding]:
        """One finding for all row faults beyond the most that are listed."""
        if self._reported > MOST_FINDINGS:
            yield fault(
                "more-row-faults",
                f"{self.table.label}: {self._reported - MOST_FINDINGS:,} more stretches of damaged rows",
                "the table is damaged throughout; take it from another backup",
                Place(database=self.table.database, schema=self.table.schema, table=self.table.name),
            )


def empty_rows(rows: int, notation: Notation, plain_from: int, line: int) -> Batch:
    """Rows of a table without columns."""
    return Batch(
        notation=notation, data=b"", rows=rows, width=0, encoding="utf-8", first_row=1,
        plain_from=plain_from, plain_to=plain_from, line=line,
    )  # fmt: skip


def columns_of_run(entry: Entry, names: tuple[str, ...] | None) -> list[Column]:
    """The columns that the values of a run belong to, in order.

    Without a list of names they are all columns of the table; SQLite leaves generated ones out.
    """
    if names is None:
        return list(entry.columns)
    known = {column.name: column for column in entry.columns}
    return [known.get(name, Column(name=name, type="")) for name in names]


def default_names(entry: Entry | None, engine: Engine) -> tuple[str, ...] | None:
    """The column names of rows that state none: as the table is defined."""
    if entry is None or entry.kind == Kind.VIRTUAL_TABLE or "open" in entry.options:
        return None
    return tuple(column.name for column in entry.columns if not (column.generated and engine is Engine.SQLITE))

"""What a change log tells that was done: the fields are those of the JSON contract."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum
from typing import NamedTuple

from sospes.model.entries import Name


class OperationKind(StrEnum):
    """What was done.

    rewrite  all rows were written anew, in another file
    abort    a transaction, or a part of one, was taken back
    mark     a restore point was set
    """

    INSERT = "insert"
    UPDATE = "update"
    DELETE = "delete"
    TRUNCATE = "truncate"
    REWRITE = "rewrite"
    CREATE = "create"
    ALTER = "alter"
    DROP = "drop"
    ABORT = "abort"
    MARK = "mark"


@dataclass(frozen=True, slots=True, kw_only=True)
class NumberedRelation:
    """A relation of a live database, with the numbers that its logs have."""

    database: int
    database_name: str
    oid: int
    file: int
    schema: int
    schema_name: str
    name: str
    kind: str
    lasting: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Operation:
    """All of one kind that a transaction did to one table; unknown is None.

    at         when it was committed, in ISO 8601
    table      None where it is about a whole database, or nobody knows its name; then `table_file` is its file's number
    rows       how many; None where the log doesn't say
    position   where in the log it begins, in the server's own words; `file` is the log's file that has it
    complete   whether all of its transaction was in the log that was read
    name       of a restore point
    keys       of the first of its rows, where they were asked for and the log has them; None where it can't tell
    """

    at: str | None
    kind: OperationKind
    database: str | None = None
    schema: str | None = None
    table: str | None = None
    rows: int | None = None
    statement: str | None = None
    user: str | None = None
    transaction: str | None = None
    gtid: str | None = None
    position: str | None = None
    file: str | None = None
    table_file: int | None = None
    complete: bool = True
    name: str | None = None
    keys: tuple[dict[str, str], ...] | None = None


class Subject(NamedTuple):
    """What something is done to: a table, a file of which nobody knows more, a database, or nothing at all.

    internal  the engine does it for itself
    name      of a restore point
    """

    database: str | None = None
    schema: str | None = None
    table: str | None = None
    table_file: int | None = None
    internal: bool = False
    name: str | None = None

    @property
    def table_name(self) -> Name | None:
        """The table's name; None where it is none, or nobody knows it."""
        return Name(self.database, self.schema, self.table) if self.table is not None else None


class Traced(NamedTuple):
    """All of one kind that a transaction did to one subject, as it comes by, in the order in which transactions end.

    begins    the position where it begins, and ended where its transaction ended, in bytes of the log
    time      when that was, in microseconds since 2000
    before    the position that lies before it, where that is not the end of its transaction
    complete  all of its transaction was in the log that was read
    keys      of the first of its rows, where they were asked for and the log has them
    """

    kind: OperationKind
    subject: Subject
    rows: int | None
    begins: int
    ended: int
    time: int
    transaction: int
    complete: bool = True
    before: int | None = None
    keys: tuple[dict[str, str], ...] | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Total:
    """All that matched of one kind and table."""

    database: str | None
    schema: str | None
    table: str | None
    kind: str
    operations: int
    rows: int | None
    first_at: str | None
    last_at: str | None
    table_file: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class LastGood:
    """The last moment before the first operation that matched: what to give to `--before`, and when that one was."""

    before: str
    at: str | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Retraced:
    """What was read from logs, and what was done.

    operations  of those that matched, the first ones; `matched` is how many there are
    internal    rows that the engine changed in its own tables
    open_at_end transactions that neither ended nor were taken back when the log ended, and that changed something
    """

    engine: str
    system_identifier: str | None
    names_from: str | None
    log_from: str | None
    log_to: str | None
    first_at: str | None
    last_at: str | None
    records: int
    bytes_read: int
    commits: int
    aborts: int
    internal: int
    open_at_end: int
    matched: int
    operations: tuple[Operation, ...]
    totals: tuple[Total, ...]
    last_good: LastGood | None
    undo: None = None

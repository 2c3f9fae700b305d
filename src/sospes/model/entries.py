"""Entries: everything in a backup that has a definition or data, whatever the form of the backup."""

from __future__ import annotations

from dataclasses import dataclass, field
from enum import StrEnum

from sospes.model.kinds import Kind


class Engine(StrEnum):
    """The database engines that backups come from."""

    POSTGRESQL = "postgresql"
    MARIADB = "mariadb"
    MYSQL = "mysql"
    SQLITE = "sqlite"

    @property
    def family(self) -> Engine:
        """The engine whose server takes its backups: MySQL's go into MariaDB."""
        return Engine.MARIADB if self is Engine.MYSQL else self


def joined(*parts: str | None) -> str:
    """The parts of a name with dots between them; those that are empty or None are left out."""
    return ".".join(part for part in parts if part)


@dataclass(frozen=True, slots=True, order=True)
class Name:
    """A qualified name; database and schema are None where the form has none."""

    database: str | None
    schema: str | None
    name: str

    @property
    def label(self) -> str:
        """The name as people write it: with its schema, or with its database on engines without schemas."""
        if self.schema is not None:
            return f"{self.schema}.{self.name}"
        return self.name

    @property
    def full_label(self) -> str:
        """The name with all that is known before it."""
        return ".".join(part for part in (self.database, self.schema, self.name) if part is not None)


@dataclass(frozen=True, slots=True, kw_only=True)
class Column:
    """A column as its definition states it; `type` is the engine's own words, without modifiers like DEFAULT.

    moves  it changes by itself when another column of its row does (ON UPDATE)
    """

    name: str
    type: str
    not_null: bool = False
    generated: bool = False
    identity: bool = False
    collation: str | None = None
    default: str | None = None
    moves: bool = False


class ConstraintKind(StrEnum):
    """What a table can demand of its rows, and indexes, which stand in the same places."""

    PRIMARY = "primary key"
    UNIQUE = "unique"
    FOREIGN = "foreign key"
    CHECK = "check"
    EXCLUDE = "exclusion"
    INDEX = "index"


@dataclass(frozen=True, slots=True, kw_only=True)
class Constraint:
    """A constraint or index of a table.

    `columns` is empty when an expression stands among the keys; `expression` is the check's condition, or
    the predicate of a partial index.
    """

    kind: ConstraintKind
    name: str
    columns: tuple[str, ...] = ()
    references: Name | None = None
    reference_columns: tuple[str, ...] = ()
    expression: str | None = None
    nulls_not_distinct: bool = False
    validated: bool = True
    prefix: bool = False
    text: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Entry:
    """One definition or action of a backup.

    kind         what it defines or does
    about        the table that it belongs to, if it belongs to one
    definition   the statement as stored, in bytes
    plain_from   where it starts, in bytes of plain text; `line` counts from 1
    parents      tables that it inherits from or is a partition of
    delimiter    what ends the statement, where the script set another one than a semicolon
    encoding     the codec of the definition
    strange      what in it is none of the engine's grammar; empty if all is
    """

    kind: Kind
    name: Name
    about: Name | None = None
    definition: bytes = b""
    plain_from: int = 0
    plain_to: int = 0
    line: int = 0
    columns: tuple[Column, ...] = ()
    constraints: tuple[Constraint, ...] = ()
    parents: tuple[Name, ...] = ()
    options: frozenset[str] = field(default_factory=frozenset)
    delimiter: bytes = b";"
    encoding: str = "utf-8"
    strange: str = ""

    @property
    def subject(self) -> Name:
        """The table that it belongs to, or else what it defines itself."""
        return self.about or self.name

    @property
    def text(self) -> str:
        """The definition as text."""
        return self.definition.decode(self.encoding, "replace")


@dataclass(frozen=True, slots=True, kw_only=True)
class ContentsEntry:
    """An entry as the table of contents lists it; `stored_bytes` where the next entry's offset tells."""

    kind: str
    schema: str | None
    name: str
    owner: str | None
    has_data: bool
    stored_bytes: int | None

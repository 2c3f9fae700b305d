"""The shape of a table in a side copy, and of the catalog that keeps what SQLite can't say."""

from __future__ import annotations

from dataclasses import dataclass, field

from sospes.engines.registry import dialect_of
from sospes.model.entries import Column, Constraint, Engine, Name
from sospes.model.types import Hold, Meaning
from sospes.sides.embedded.names import Names, quoted

MARK = "side copy made by sospes"

CATALOG = """
CREATE TABLE sospes_backup (key TEXT NOT NULL, value TEXT) STRICT;
CREATE TABLE sospes_tables (
  held_name TEXT NOT NULL, "database" TEXT, "schema" TEXT, name TEXT NOT NULL, rows INTEGER NOT NULL, definition BLOB
) STRICT;
CREATE TABLE sospes_columns (
  held_table TEXT NOT NULL, position INTEGER NOT NULL, held_name TEXT, name TEXT NOT NULL, type TEXT NOT NULL,
  "collation" TEXT, not_null INTEGER NOT NULL, generated INTEGER NOT NULL
) STRICT;
CREATE TABLE sospes_keys (
  held_table TEXT NOT NULL, kind TEXT NOT NULL, name TEXT NOT NULL, columns TEXT NOT NULL, text TEXT NOT NULL
) STRICT;
"""


@dataclass(slots=True, kw_only=True)
class HeldTable:
    """A table as a side copy holds it.

    left_out  columns that some rows leave to the server to fill, by a default or a counter, so that they are held empty
    """

    name: Name
    held_name: str
    columns: tuple[Column, ...]
    held_columns: dict[str, str]
    engine: Engine
    definition: bytes = b""
    rows: int = 0
    relaxed: bool = False
    constraints: list[Constraint] = field(default_factory=list)
    clauses: list[str] = field(default_factory=list)
    partition_of: set[Name] = field(default_factory=set)
    left_out: set[str] = field(default_factory=set)

    @property
    def kept(self) -> tuple[Column, ...]:
        """The columns that have values of their own: generated ones are computed anew by their engine."""
        return tuple(column for column in self.columns if not column.generated)

    def hold(self, column: Column) -> Hold:
        """How a column's values are held."""
        hold = dialect_of(self.engine).hold(column.type)
        return Hold.ANY if self.relaxed and hold is Hold.TEXT else hold

    def meaning(self, column: Column) -> Meaning:
        """What makes two values of a column the same."""
        return dialect_of(self.engine).meaning(column.type, column.collation)

    def exact(self, column: Column) -> bool:
        """Whether that is certain."""
        return dialect_of(self.engine).is_exact(column.type, column.collation)

    def column(self, name: str) -> Column | None:
        """The column of that name, as the engine tells names apart."""
        exact = next((column for column in self.columns if column.name == name), None)
        if exact is None and dialect_of(self.engine).folds_names:
            return next((column for column in self.columns if column.name.lower() == name.lower()), None)
        return exact

    def statement(self) -> str:
        """CREATE TABLE with all that was added to it since."""
        filled = {column.name for column in self.kept if column.not_null} - self.left_out
        parts = [
            f"{quoted(self.held_columns[column.name])} {self.hold(column)}"
            + (" NOT NULL" if column.name in filled else "")
            for column in self.kept
        ]
        return f"CREATE TABLE {quoted(self.held_name)} ({', '.join(parts + self.clauses)}) STRICT"


def held_table(name: Name, held_name: str, columns: tuple[Column, ...], engine: Engine, definition: bytes) -> HeldTable:
    """A table's shape, its columns named so that SQLite tells them apart."""
    names = Names()
    held = {column.name: names.give(column.name) for column in columns if not column.generated}
    return HeldTable(
        name=name,
        held_name=held_name,
        columns=columns,
        held_columns=held,
        engine=engine,
        definition=definition,
    )

"""Creates an embedded side copy, loads rows into it, and records what they were."""

from __future__ import annotations

import sqlite3
from collections.abc import Sequence
from pathlib import Path

from sospes.model.entries import Column, Engine, Name
from sospes.model.errors import CannotCheck, NoRoom
from sospes.places.writing import opened_own
from sospes.rows.decoding import Row
from sospes.sides.embedded.meaning import install
from sospes.sides.embedded.names import RESERVED, Names, quoted, table_name
from sospes.sides.embedded.shape import CATALOG, MARK, HeldTable, held_table

MOST_COLUMNS = 2000
"""What SQLite takes by default."""

ENGINE = Engine.SQLITE
"""What a side copy itself is of, whatever engine its backup comes from."""


class EmbeddedCopy:
    """One SQLite file that did not exist before. Errors of the disk come as NoRoom or CannotCheck."""

    def __init__(self, path: Path, engine: Engine) -> None:
        self.path = path
        self.engine = engine
        self.tables: dict[Name, HeldTable] = {}
        self._names = Names(RESERVED)
        opened_own(path).close()
        self.connection = _connected(path)
        self.connection.executescript(CATALOG)
        self.connection.execute("INSERT INTO sospes_backup VALUES ('made by', ?)", (MARK,))
        self.connection.execute("BEGIN")

    def table(self, name: Name, columns: tuple[Column, ...], definition: bytes) -> HeldTable:
        """Make the table if it isn't there yet."""
        found = self.tables.get(name)
        if found is None:
            found = held_table(name, self._names.give(table_name(name)), columns, self.engine, definition)
            self.tables[name] = found
            if found.kept:
                self.connection.execute(found.statement().replace(" NOT NULL", ""))
        return found

    def remove(self, name: Name) -> None:
        """Take a table out again."""
        table = self.tables.pop(name)
        if table.kept:
            self.connection.execute(f"DROP TABLE {quoted(table.held_name)}")

    def give_name(self, wanted: str) -> str:
        """A name for an index that nothing in the copy has yet."""
        return self._names.give(wanted)

    def insert(self, table: HeldTable, columns: Sequence[Column], rows: list[Row]) -> list[int]:
        """Put rows in; `columns` say what each value belongs to. The indexes of rows that could not be held."""
        keep = [index for index, column in enumerate(columns) if not column.generated]
        if not table.kept or not keep:
            table.rows += len(rows)
            return []
        chosen = rows if len(keep) == len(columns) else [tuple(row[index] for index in keep) for row in rows]
        names = ", ".join(quoted(table.held_columns[columns[index].name]) for index in keep)
        marks = ", ".join("?" * len(keep))
        return self._insert_all(table, f" ({names}) VALUES ({marks})", chosen)

    def _insert_all(self, table: HeldTable, tail: str, rows: list[Row]) -> list[int]:
        refused: list[int] = []
        done = 0
        while done < len(rows):
            before = self.connection.total_changes
            try:
                self.connection.executemany(
                    f"INSERT INTO {quoted(table.held_name)}{tail}", rows[done:] if done else rows
                )
                done = len(rows)
            except (sqlite3.IntegrityError, OverflowError, sqlite3.DataError, UnicodeEncodeError):
                done += self.connection.total_changes - before
                if not self._relax(table, rows[done]):
                    refused.append(done)
                    done += 1
            except sqlite3.OperationalError as error:
                raise self.disk_error(error) from error
        table.rows += len(rows) - len(refused)
        return refused

    def _relax(self, table: HeldTable, row: Row) -> bool:
        """Let text columns take bytes too, once text turns up that is not valid in its character set."""
        if table.relaxed or not any(isinstance(value, bytes) for value in row):
            return False
        table.relaxed = True
        old, given = quoted(table.held_name + "~strict"), quoted(table.held_name)
        self.connection.execute(f"ALTER TABLE {given} RENAME TO {old}")
        self.connection.execute(table.statement().replace(" NOT NULL", ""))
        self.connection.execute(f"INSERT INTO {given} SELECT * FROM {old}")
        self.connection.execute(f"DROP TABLE {old}")
        return True

    def disk_error(self, error: sqlite3.OperationalError) -> CannotCheck:
        """What a failed write means for the user."""
        if "full" in str(error):
            return NoRoom(
                f"{self.path}: the disk is full",
                "name another place with --work-folder FOLDER, or single tables",
            )
        return CannotCheck(f"{self.path}: the side copy can't be written: {error}", "check the folder and its disk")

    def write_catalog(self, facts: dict[str, str | None]) -> None:
        """Record what the tables and columns are on their own engine."""
        run = self.connection.execute
        for key, value in facts.items():
            run("INSERT INTO sospes_backup VALUES (?, ?)", (key, value))
        for table in self.tables.values():
            name = table.name
            run(
                "INSERT INTO sospes_tables VALUES (?, ?, ?, ?, ?, ?)",
                (table.held_name, name.database, name.schema, name.name, table.rows, table.definition),
            )
            for position, column in enumerate(table.columns, 1):
                described = (
                    table.held_name, position, table.held_columns.get(column.name), column.name, column.type,
                    column.collation, column.not_null, column.generated,
                )  # fmt: skip
                run("INSERT INTO sospes_columns VALUES (?, ?, ?, ?, ?, ?, ?, ?)", described)
            for constraint in table.constraints:
                columns = "\x1f".join(constraint.columns)
                values = (table.held_name, constraint.kind.value, constraint.name, columns, constraint.text)
                run("INSERT INTO sospes_keys VALUES (?, ?, ?, ?, ?)", values)

    def commit(self) -> None:
        """Put all that was loaded on the disk."""
        if self.connection.in_transaction:
            self.connection.execute("COMMIT")

    def end_loading(self) -> None:
        """All rows are in: from here on a statement that fails takes back what it did, which loading has no need of."""
        self.commit()
        self.connection.execute("PRAGMA journal_mode=MEMORY")

    def reopen(self) -> None:
        """Close and open anew, so that the engine reads its definitions as they now are."""
        self.commit()
        self.connection.close()
        self.connection = _connected(self.path)
        self.connection.execute("PRAGMA journal_mode=MEMORY")

    def close(self) -> None:
        """Let go of the file."""
        self.connection.close()

    def drop(self) -> None:
        """Close, and delete the file."""
        self.connection.close()
        for ending in ("", "-journal"):
            Path(f"{self.path}{ending}").unlink(missing_ok=True)


def _connected(path: Path) -> sqlite3.Connection:
    try:
        connection = sqlite3.connect(path, isolation_level=None)
    except sqlite3.OperationalError as error:
        raise CannotCheck(f"{path}: the side copy can't be made: {error}", "check the folder and its rights") from error
    for setting in (
        "journal_mode=OFF", "synchronous=OFF", "cache_size=-48000", "temp_store=FILE", "foreign_keys=OFF",
        "locking_mode=EXCLUSIVE",
    ):  # fmt: skip
        connection.execute(f"PRAGMA {setting}")
    install(connection)
    return connection

"""States what a PostgreSQL database has as a script: definitions in the order in which they can be made, and rows.

It is for readers of scripts inside of this program; all comes from one snapshot. Sources: PostgreSQL documentation,
"System Catalogs", "System Catalog Information Functions", "SQL Commands".
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace

from sospes.model.entries import Name
from sospes.sides.postgresql.cluster import names_of_databases
from sospes.sides.postgresql.live import LivePostgresql
from sospes.sides.postgresql.wordings import BEFORE_TABLES, BEHIND_ROWS, BEHIND_TABLES, CHECKS, COLUMNS, TABLES
from sospes.sides.servers.address import Address
from sospes.sides.servers.live import LiveTable
from sospes.sql.quoting import double_quoted

_FOREVER = 0
_SETTINGS = b"""
SET statement_timeout = 0;
SET lock_timeout = 0;
SET client_encoding = 'UTF8';
SET standard_conforming_strings = on;
SELECT pg_catalog.set_config('search_path', '', false);
SET check_function_bodies = false;
SET xmloption = content;
SET row_security = off;

"""
_OPENING = "--\n-- PostgreSQL database {}dump\n--\n\n"
_CLOSING = b"--\n-- PostgreSQL database dump complete\n--\n\n"
_CLOSING_OF_ALL = b"--\n-- PostgreSQL database cluster dump complete\n--\n\n"


@dataclass(frozen=True, slots=True)
class Column:
    """A column of a table, in the words of its definition."""

    name: str
    type: str
    collation: str | None
    default: str | None
    generated: str
    not_null: bool

    @property
    def words(self) -> str:
        """As it stands in the table's definition."""
        words = [self.name, self.type]
        if self.collation:
            words.append(f"COLLATE {self.collation}")
        if self.default is not None and self.generated:
            words.append(f"GENERATED ALWAYS AS ({self.default}) {'VIRTUAL' if self.generated == 'v' else 'STORED'}")
        elif self.default is not None:
            words.append(f"DEFAULT {self.default}")
        if self.not_null:
            words.append("NOT NULL")
        return " ".join(words)


def script_of(address: Address, database: str | None, wants: Callable[[Name], bool]) -> Iterator[bytes]:
    """The script of a database, or of all of the server's where none is named, with the rows of wanted tables.

    Raises CannotCheck where the server refuses.
    """
    if database is not None:
        yield from _database(replace(address, database=database), None, wants)
        return
    yield _OPENING.format("cluster ").encode()
    for name in names_of_databases(address):
        yield f"\\connect {double_quoted(name)}\n\n".encode()
        yield from _database(replace(address, database=name), name, wants)
    yield _CLOSING_OF_ALL


def _database(address: Address, called: str | None, wants: Callable[[Name], bool]) -> Iterator[bytes]:
    live = LivePostgresql(address, _FOREVER)
    try:
        yield _OPENING.format("").encode()
        yield f"-- Dumped from database version {live.version}\n".encode()
        yield _SETTINGS
        yield from _statements(live, BEFORE_TABLES)
        yield from _tables(live)
        yield from _statements(live, BEHIND_TABLES)
        for table in live.tables():
            if wants(replace(table.name, database=called)):
                yield from _rows(live, table)
        yield from _statements(live, BEHIND_ROWS)
        yield _CLOSING
    finally:
        live.close()


def _statements(live: LivePostgresql, queries: tuple[str, ...]) -> Iterator[bytes]:
    """What queries give: whole statements, without what ends them."""
    for query in queries:
        for (text,) in live.found(query):
            if text:
                yield f"{str(text).rstrip().rstrip(';')};\n\n".encode()


def _tables(live: LivePostgresql) -> Iterator[bytes]:
    columns: dict[int, list[Column]] = {}
    for table, *rest in live.found(COLUMNS):
        columns.setdefault(table, []).append(Column(*rest))
    checks: dict[int, list[str]] = {}
    for table, name, text in live.found(CHECKS):
        checks.setdefault(table, []).append(f"CONSTRAINT {name} {text}")
    for table, opening, closing in live.found(TABLES):
        lines = [*(column.words for column in columns.get(table, [])), *checks.get(table, [])]
        inside = ",\n".join(f"    {line}" for line in lines)
        yield f"{opening} (\n{inside}\n){closing};\n\n".encode() if lines else f"{opening} (\n){closing};\n\n".encode()


def _rows(live: LivePostgresql, table: LiveTable) -> Iterator[bytes]:
    names = ", ".join(double_quoted(column.name) for column in table.columns)
    listed = f" ({names})" if names else ""
    label = f"{double_quoted(str(table.name.schema))}.{double_quoted(table.name.name)}"
    yield f"COPY {label}{listed} FROM stdin;\n".encode()
    for batch in live.batches(table):
        yield batch.data
    yield b"\\.\n\n\n"

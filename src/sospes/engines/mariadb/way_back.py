"""How MariaDB brings tables back: filled under names of their own, then all renamed in one statement.

Sources: MariaDB Knowledge Base, "RENAME TABLE", "Atomic DDL", "SQL statements that cause an implicit commit".
"""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence

from sospes.engines.mariadb.restated import at_home, engine_elsewhere
from sospes.engines.way_back import Called, Rows, Step
from sospes.model.entries import ConstraintKind, Engine, Entry, Name
from sospes.model.kinds import Kind
from sospes.sql.lexis import Lexis
from sospes.sql.phrase import Phrase
from sospes.sql.quoting import back_quoted
from sospes.sql.renaming import outer_words, renamed_text, without_item

_MAY_SET = frozenset({"sql_mode", "collation_connection", "sql_notes"})
"""Settings of the backup that are kept with its definitions; all text goes to the server in UTF-8."""

_LEXIS = Lexis(Engine.MARIADB, escapes=True, ansi_quotes=True)
"""Where a name is looked for, quotes of either kind are those of a name."""

_ON_TABLE = frozenset({Kind.TABLE, Kind.TRIGGER, Kind.INDEX, Kind.CONSTRAINT, Kind.TABLE_SETTING})
_MADE = _ON_TABLE | {
    Kind.FUNCTION, Kind.PROCEDURE, Kind.SEQUENCE, Kind.SEQUENCE_VALUE, Kind.VIEW, Kind.EVENT,
}  # fmt: skip
"""Kinds of which statements are run on live; rights stay with names."""

_DROPPED = frozenset({Kind.FUNCTION, Kind.PROCEDURE, Kind.SEQUENCE, Kind.VIEW, Kind.EVENT})


class MariadbWayBack:
    """Statements that MariaDB takes, for tables that come back."""

    longest = 64
    in_bytes = False
    copies = False
    transactional = False
    names_aside = True

    working = ""

    settings = (
        b"SET NAMES utf8mb4", b"SET SESSION time_zone = '+00:00'", b"SET SESSION foreign_key_checks = 0",
        b"SET SESSION unique_checks = 0, lock_wait_timeout = 15",
        b"SET SESSION sql_mode = 'NO_AUTO_VALUE_ON_ZERO,STRICT_ALL_TABLES'",
    )  # fmt: skip

    def setting(self, entry: Entry) -> tuple[str, bytes]:
        """How definitions are read, and variables of the connection that keep such settings."""
        statement = _said(entry)
        tokens = Phrase(statement, _LEXIS).tokens
        if not tokens or tokens[0].word != "set":
            return "", b""
        names = [
            tokens[index + 1].text.lower()
            for index, token in enumerate(tokens[:-1])
            if token.word in {"set", ","} and tokens[index + 1].word != "session"
        ]
        names += [tokens[2].text.lower()] if len(tokens) > 2 and tokens[1].word == "session" else []
        mine = [name for name in names if not (name.startswith("@") and not name.startswith("@@"))]
        if not all(name in _MAY_SET for name in mine) or not names:
            return "", b""
        return " ".join(names), statement

    def statement(self, entry: Entry, called: Called) -> bytes:
        """The backup's own definition without folders, about the table by the name that it has just now."""
        if entry.kind not in _MADE:
            return b""
        if entry.kind == Kind.SEQUENCE_VALUE:
            return _value_set(entry)
        statement = _said(entry)
        if entry.kind == Kind.TABLE:
            _require_plain(statement)
        if entry.kind in {Kind.TABLE, Kind.TABLE_SETTING}:
            statement, _ = at_home(statement)
        about = entry.name if entry.kind == Kind.TABLE else entry.about
        if about is None or entry.kind not in _ON_TABLE or called.get(about, about.name) == about.name:
            return statement
        kind = Kind(entry.kind)
        return renamed_text(statement, kind, _LEXIS, called[about], back_quoted)

    def bare(self, entry: Entry, called: Called) -> bytes:
        """A table without its references, whose names are taken in the database."""
        statement = self.statement(entry, called)
        for constraint in entry.constraints:
            if constraint.kind is ConstraintKind.FOREIGN:
                statement = without_item(statement, constraint.text.encode())
        return statement

    def undoing(self, entry: Entry, called: Called) -> bytes:
        """DROP of what was made."""
        if entry.kind == Kind.TABLE:
            return f"DROP TABLE IF EXISTS {back_quoted(called.get(entry.name, entry.name.name))}".encode()
        if entry.kind in _DROPPED:
            return f"DROP {entry.kind.upper()} IF EXISTS {back_quoted(entry.name.name)}".encode()
        return b""

    def reaches_outside(self, entry: Entry) -> bool:
        """A function that a library has; all others are in SQL."""
        return b"SONAME" in entry.definition.upper()

    def taken_up(self, entry: Entry) -> bytes:
        """SETVAL never sets a sequence back: the statement may be run as it is."""
        return _value_set(entry)

    def opening(self, table: Name, columns: Sequence[str]) -> bytes:
        """INSERT into the table's columns by name."""
        listed = ", ".join(map(back_quoted, columns))
        return f"INSERT INTO {back_quoted(table.name)} ({listed}) VALUES\n".encode()

    def plain_rights(self, made: Sequence[Name]) -> bytes:
        """Nothing: rights stay with names here, and new tables get none."""
        return b""

    def script(self, steps: Sequence[Step], rows: Rows) -> Iterator[bytes]:
        """Statement by statement, for the engine's own client; rows some hundred at a time."""
        yield b"\\C utf8mb4\n"
        yield from (setting + b";\n" for setting in self.settings)
        yield b"DELIMITER //\n"
        for step in steps:
            yield b"-- " + " ".join(step.label.split()).encode() + b"\n"
            if step.rows is None:
                yield step.statement + b"\n//\n"
            for stretch in step.rows or ():
                yield step.statement + rows(stretch) + b"\n//\n"
        yield b"DELIMITER ;\n"


_VALUE = re.compile(r"\s*(?:select|do)\s+setval\s*\([^()]*?,\s*(-?\d+)\s*(?:,\s*([01])\s*)?\)\s*", re.I)


def _value_set(entry: Entry) -> bytes:
    """A sequence's value, and nothing else that a query could do; empty where it does more."""
    value = _VALUE.fullmatch(_said(entry).decode("utf-8", "replace"))
    if value is None:
        return b""
    return f"DO SETVAL({back_quoted(entry.name.name)}, {value[1]}, {value[2] or '1'})".encode()


def _require_plain(statement: bytes) -> None:
    """Raises ValueError for a table that is made of a query, or lies elsewhere."""
    if {"select", "as", "union", "like"} & set(outer_words(statement, _LEXIS)[2:]):
        raise ValueError("it is made of a query or of other tables")
    if engine := engine_elsewhere(statement):
        raise ValueError(f"tables of the engine {engine} lie elsewhere")


def _said(entry: Entry) -> bytes:
    """An entry's statement in UTF-8. Raises ValueError for bytes that are no text in its own encoding."""
    statement = entry.definition.strip().removesuffix(entry.delimiter).rstrip().removesuffix(b";")
    return statement if entry.encoding == "utf-8" else statement.decode(entry.encoding).encode()

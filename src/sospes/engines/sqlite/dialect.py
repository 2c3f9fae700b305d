"""SQLite, as the rest of the program asks for it."""

from __future__ import annotations

from sospes.engines.dialect import Dialect
from sospes.engines.leave import Leave
from sospes.engines.sqlite import objects, types
from sospes.engines.sqlite.statements import SqliteStatements
from sospes.model.entries import Engine, Entry, Name
from sospes.sql.quoting import double_quoted

_OWN_TABLES = frozenset(
    "sqlite_schema sqlite_master sqlite_sequence sqlite_stat1 sqlite_stat2 sqlite_stat3 sqlite_stat4".split()
)


def _is_own(name: Name) -> bool:
    """Statistics and counters, made without a definition."""
    return name.name.casefold() in _OWN_TABLES


def _unwritable(name: str) -> str:
    """Its client knows no other way to write a name than to write it."""
    return "has a carriage return before a line feed, which SQLite's client drops" if "\r\n" in name else ""


def _leave_of(_entry: Entry) -> Leave:
    """There is no server to run anything on."""
    return Leave.REFUSED


SQLITE = Dialect(
    engine=Engine.SQLITE,
    title="SQLite",
    grammar="sqlite",
    quote=double_quoted,
    hold=types.hold,
    meaning=types.meaning,
    is_exact=types.is_exact,
    leave_of=_leave_of,
    objects_of=objects.objects_of,
    dropping=objects.dropping,
    statements=SqliteStatements(double_quoted),
    is_own=_is_own,
    unwritable=_unwritable,
    has_server=False,
    typed=False,
    folds_tables=True,
    quotes_strings=True,
    counts_by_name=True,
    around=(b"BEGIN TRANSACTION;\n", b"COMMIT;\n"),
)

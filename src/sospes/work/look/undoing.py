"""Whether a backup itself takes away or changes what it gave: rows that were read would not be there after a restore.

Backup programs drop things only before they define them, and a stand-in only to define the real view; they never
change, empty, rename or compute what they gave. Statements that only differ in the engine's own tables are theirs.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import replace

from sospes.model.entries import Entry, Name
from sospes.model.findings import Finding, Place, doubt, fault
from sospes.model.kinds import Kind

_STRINGS = re.compile(rb"'(?:[^']|'')*+'|\"(?:[^\"]|\"\")*+\"|`(?:[^`]|``)*+`|\[[^\]]*+\]|--[^\n]*+")
_COMMENTS = re.compile(rb"/\*M?!\d*|/\*.*?\*/|\*/", re.S)
_DROP = re.compile(r"drop (temporary )?(foreign table|table|schema|database)\b")
_ALTERED_AWAY = re.compile(r"\b(?:rename(?! (?:index|key|constraint)\b)|drop column)\b")
_COMPUTED = re.compile(r"(?:insert|replace)\b.* (?:select|table) ")
_CONDITIONS = (
    b"/*!50112 ",
    b"/*M!100203 EXECUTE IMMEDIATE IF(@@LOG_OUTPUT='TABLE' AND (@@LOG_SLOW_QUERY=1 OR @@GENERAL_LOG=1),"
    b'"SET GLOBAL LOG_OUTPUT=\'NONE\'", "DO 0")',
)
"""How programs set what not every server knows: MySQL's PREPARE and EXECUTE behind a mark, MariaDB's pause of a log."""
_REPLACE_STAND_INS = frozenset({Kind.VIEW, Kind.MATERIALIZED_VIEW})
_GIVES_TABLES = frozenset({Kind.TABLE, Kind.VIRTUAL_TABLE, Kind.FOREIGN_TABLE})
_SCHEMA_TABLES = frozenset({"sqlite_schema", "sqlite_master"})
_LONGEST = 1 << 16
_SHOWN = 200
"""Bytes of a statement that are kept to be shown."""


class Undoing:
    """Takes in entries and openings of rows in order; afterwards tells what was undone."""

    def __init__(self) -> None:
        self._given: set[Name] = set()
        self._with_rows: set[Name] = set()
        self._gone: dict[Name, Entry] = {}
        self._changed: list[Entry] = []
        self._databases: dict[str, Entry] = {}
        self._actions: list[Entry] = []
        self._fired: dict[Name, Entry] = {}
        self._had_rows: set[Name] = set()
        self._anew: dict[Name, Entry] = {}

    def entry(self, entry: Entry) -> None:
        """Take in a definition or an action."""
        start = replace(entry, definition=entry.definition[:_SHOWN])
        if entry.kind in _GIVES_TABLES:
            self._given.add(entry.name)
            if entry.name in self._had_rows:
                self._anew.setdefault(entry.name, start)
        elif entry.kind == Kind.DATABASE:
            self._databases.pop(entry.name.name, None)
        elif entry.kind in {Kind.TRIGGER, Kind.RULE} and entry.about is not None:
            self._fired.setdefault(entry.about, start)
        if entry.kind in _GIVES_TABLES | _REPLACE_STAND_INS:
            self._gone.pop(entry.name, None)
        elif entry.kind == Kind.DROP:
            self._drop(entry, start)
        elif entry.kind == Kind.ACTION and not entry.definition.startswith(_CONDITIONS):
            self._actions.append(start)
        elif self._changes(entry):
            self._changed.append(start)

    def rows(self, table: Name) -> None:
        """Take in the opening of a table's rows."""
        fired = self._fired.pop(table, None)
        if fired is not None:
            self._actions.append(fired)
        self._given.add(table)
        self._with_rows.add(table)

    def findings(self) -> Iterator[Finding]:
        """What was undone. Call once, at the end."""
        for table, entry in self._gone.items():
            yield fault(
                "dropped-again",
                f"{table.full_label} is dropped after the backup gave it: {_start(entry)}",
                "a restore would be without the table: find out who wrote that line, and compare with another copy",
                _place(entry, table),
            )
        for name, entry in self._databases.items():
            yield fault(
                "dropped-again",
                f"the database {name} is dropped and not made again: {_start(entry)}",
                "a restore would lose what stands in it: find out who wrote that line",
                _place(entry, Name(name, None, "")),
            )
        for entry in self._changed:
            yield fault(
                "changed-again",
                f"what the backup gave is changed by the backup itself: {_start(entry)}",
                "a restore would not hold what was read: find out who wrote that line, and compare with another copy",
                _place(entry, entry.subject),
            )
        if self._anew:
            table, entry = next(iter(self._anew.items()))
            more = f", and {len(self._anew) - 1:,} more tables" if len(self._anew) > 1 else ""
            yield doubt(
                "given-twice",
                f"{table.full_label} is given with rows, dropped, and given anew{more}: counts here are of both",
                "two backups stand in one file, and a restore keeps the later one: split the file and check each part",
                _place(entry, table),
            )
        for entry in self._actions:
            yield doubt(
                "effect-unknown",
                f"no backup program writes this here, and what it does to rows can't be read: {_start(entry)}",
                "a restore may not hold what was read: find out who wrote that line",
                _place(entry, Name(entry.name.database, None, "")),
            )

    def _drop(self, entry: Entry, start: Entry) -> None:
        words = _words(entry.definition)
        match = _DROP.match(words)
        if match is None:
            if words.startswith("alter") and _ALTERED_AWAY.search(words) and entry.name in self._given:
                self._changed.append(start)
            return
        names = {entry.name, *entry.parents}
        bare = {name.name for name in names}
        what = match[2]
        if what == "schema":
            gone = {name for name in self._given if (name.schema or name.database) in bare}
        elif what == "database":
            self._databases.update(dict.fromkeys(bare, start))
            gone = {name for name in self._given if name.database in bare}
        else:
            gone = self._given & names
        self._gone.update(dict.fromkeys(gone, start))
        self._given -= gone
        self._had_rows |= self._with_rows & gone
        self._with_rows -= gone
        for table in gone:
            self._fired.pop(table, None)

    def _changes(self, entry: Entry) -> bool:
        if entry.kind in {Kind.EMPTYING, Kind.CATALOG_UPDATE}:
            of_schema = entry.name.name in _SCHEMA_TABLES and entry.name.schema is None
            return (bool(self._given) and of_schema) or not self._with_rows.isdisjoint({entry.name, *entry.parents})
        if entry.kind == Kind.ROLLBACK:
            return bool(self._given) and " to " not in _words(entry.definition)
        if entry.kind == Kind.DATA:
            return entry.about in self._given and _COMPUTED.match(_words(entry.definition)) is not None
        return (
            entry.kind == Kind.TABLE_SETTING
            and entry.name in self._given
            and _ALTERED_AWAY.search(_words(entry.definition)) is not None
        )


def _words(definition: bytes) -> str:
    """A statement's words, without what is quoted and without comments."""
    bare = _COMMENTS.sub(b" ", _STRINGS.sub(b" x ", definition[:_LONGEST]))
    return " ".join(bare.decode("utf-8", "replace").lower().split())


def _start(entry: Entry) -> str:
    return " ".join(entry.definition[:80].decode(entry.encoding, "replace").split())


def _place(entry: Entry, name: Name) -> Place:
    return Place(
        database=name.database, schema=name.schema, table=name.name or None,
        line=entry.line or None, plain_from=entry.plain_from, plain_to=entry.plain_to,
    )  # fmt: skip

"""The objects that a backup defines, in words that can be held against a server's catalog or another backup."""

from __future__ import annotations

import re
from dataclasses import dataclass, field

import xxhash

from sospes.engines.dialect import Dialect
from sospes.engines.registry import dialect_of
from sospes.model.accounts import AccountBook
from sospes.model.entries import ConstraintKind, Engine, Entry
from sospes.model.events import LargeObjectPart
from sospes.model.kinds import Kind
from sospes.model.objects import DatabaseObject, ObjectKey
from sospes.rows.decoding import bytea

_OPENED = re.compile(rb"\blo_open\s*\(")
_WRITTEN = re.compile(rb"\blowrite\s*\(\s*\d+\s*,\s*E?'([^']*)'")


@dataclass(slots=True)
class BackupObjects:
    """Takes in entries; `found` has the objects, by database.

    accounts  what the backup says of who may do what on the whole server
    unnamed   tables with a constraint that the server would name by itself
    children  tables that inherit; which of their columns' defaults are their own is not told apart
    """

    found: dict[str | None, dict[ObjectKey, DatabaseObject]] = field(default_factory=dict)
    accounts: AccountBook = field(default_factory=AccountBook)
    unnamed: set[tuple[str, str]] = field(default_factory=set)
    children: set[tuple[str, str]] = field(default_factory=set)
    _digests: dict[tuple[str | None, str], xxhash.xxh3_128] = field(default_factory=dict)
    _open: str = ""

    def take(self, entry: Entry, engine: Engine) -> None:
        """Take in one entry."""
        known = self.found.setdefault(entry.name.database, {})
        if entry.kind == Kind.LARGE_OBJECT_DATA:
            self._take_statement(entry)
        if entry.kind == Kind.TABLE and entry.parents:
            self.children.add((entry.name.schema or "", entry.name.name))
        dialect = dialect_of(engine)
        for fact in dialect.accounts_of(entry):
            self.accounts.take(fact)
        for key, item in dialect.objects_of(entry):
            if key.kind != "default" or (key.schema, key.about) not in self.children:
                known[key] = _together(known.get(key), item, entry, dialect)
        if entry.kind == Kind.VIEW:
            known.pop(ObjectKey("table", entry.name.schema or "", entry.name.name), None)
        if any(
            not constraint.name and constraint.kind is not ConstraintKind.PRIMARY for constraint in entry.constraints
        ):
            about = entry.subject
            self.unnamed.add((about.schema or "", about.name))

    def take_part(self, part: LargeObjectPart) -> None:
        """Take in bytes of a large object of an archive."""
        self._add_bytes(None, str(part.number), part.data)

    def _take_statement(self, entry: Entry) -> None:
        """Take in a statement of a script about the data of a large object."""
        if _OPENED.search(entry.definition):
            self._open = entry.name.name
            self._add_bytes(entry.name.database, self._open, b"")
        elif (written := _WRITTEN.search(entry.definition)) and self._open:
            self._add_bytes(entry.name.database, self._open, bytea(written[1].decode("ascii", "replace")))

    def _add_bytes(self, database: str | None, number: str, data: bytes) -> None:
        digest = self._digests.setdefault((database, number), xxhash.xxh3_128())
        digest.update(data)
        found = self.found.setdefault(database, {})
        found[ObjectKey("large object", "", number)] = DatabaseObject((digest.hexdigest(),))


def _together(before: DatabaseObject | None, item: DatabaseObject, entry: Entry, dialect: Dialect) -> DatabaseObject:
    """Rights of one role are one object; of all else the engine says what two definitions of one name are."""
    if before is None:
        return item
    if entry.kind == Kind.GRANT:
        return DatabaseObject(_joined(before.texts, item.texts), (*before.statements, *item.statements))
    return dialect.joined(before, item, entry)


def _joined(one: tuple[str, ...], other: tuple[str, ...]) -> tuple[str, ...]:
    """The rights of two grants to one role."""
    return (",".join(sorted({*one[0].split(","), *other[0].split(",")})),) if one and other else ()

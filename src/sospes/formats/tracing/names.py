"""Names of relations by their files as they were at each moment of a log: from catalogs, and kept up by the log.

What a transaction does to the catalogs counts once it commits.
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from sospes.formats.base.catalog import (
    PG_ATTRIBUTE,
    PG_CLASS,
    PG_DATABASE,
    PG_INDEX,
    PG_NAMESPACE,
    IsCommitted,
    files_of,
    kind_at,
    named_in,
    relation_in,
    rows_alive,
)
from sospes.formats.tracing.catalog_rows import CatalogRows, LoggedRow, RowChange
from sospes.formats.tracing.keys import Attribute, attribute_in, keys_of, primary_in
from sospes.formats.wal.ends import FileId
from sospes.model.entries import Name
from sospes.model.retracing import Subject

SHARED = 0
"""The number that stands for the database of catalogs that all databases share."""

OWN = frozenset({"pg_catalog", "information_schema", "pg_toast"})
"""Schemas of the engine's own tables."""

FIRST_OF_USERS = 16384
"""Numbers below are the engine's own."""

_NAMING = frozenset({PG_CLASS, PG_NAMESPACE})
_ALL = _NAMING | {PG_ATTRIBUTE, PG_INDEX}
_TABLES = frozenset("rpm")
_STORED = frozenset("ritmS")
_LEAST_NAMED = 68
_LEAST = {PG_ATTRIBUTE: 96, PG_INDEX: 48}
"""Bytes that rows of catalogs have at least; those of all others begin with a number and a name."""

_WHAT_PEOPLE_CHANGE = 12


@dataclass(frozen=True, slots=True, kw_only=True)
class Named:
    """A relation: its database's number and its own, its file, schema, name, the catalog's letter for its kind, its
    tablespace, whether it outlives its session, and all that people may change of it, as bytes."""

    database: int
    oid: int
    file: int
    schema: int
    name: str
    kind: str
    space: int
    lasting: bool
    rest: bytes = b""


@dataclass(frozen=True, slots=True, kw_only=True)
class RelationChange:
    """What a transaction did to a relation; None for one that was not, or is no more.

    steps  all that it was on the way
    """

    before: Named | None
    after: Named | None
    steps: tuple[Named, ...] = ()


class Names:
    """Names by numbers, and the rows of the catalogs that they come from.

    databases  by their numbers
    """

    def __init__(self, version: int, page_size: int = 8192, *, of_columns: bool = False) -> None:
        self._version = version
        self._of_columns = of_columns
        self._columns: dict[tuple[int, int], dict[int, Attribute]] = {}
        self._keys: dict[tuple[int, int], tuple[int, ...]] = {}
        self._page_size = page_size
        self._catalogs: dict[FileId, tuple[int, CatalogRows]] = {}
        self._schemas: dict[tuple[int, int], str] = {}
        self._by_file: dict[FileId, Named] = {}
        self._by_oid: dict[tuple[int, int], Named] = {}
        # Of transactions: which catalog, of which database.
        self._begun: dict[int, list[tuple[int, int, RowChange]]] = {}
        self._made: set[int] = set()
        self._own: set[FileId] = set()  # files of the engine's catalogs, as file maps say
        self._subjects: dict[FileId, Subject] = {}  # kept until names change
        self.databases: dict[int, str] = {}
        self._watch(PG_DATABASE, (SHARED, PG_DATABASE))

    def take_map(self, database: int, data: bytes) -> None:
        """Take in where a database has its catalogs, as its file map says."""
        files = files_of(data)
        self._own.update((database, file) for file in files.values())
        self._subjects.clear()
        if database == SHARED:
            self._watch(PG_DATABASE, (database, files.get(PG_DATABASE, PG_DATABASE)))
            return
        self._watch(PG_CLASS, (database, files.get(PG_CLASS, PG_CLASS)))
        if not any(what == PG_NAMESPACE and of == database for (of, _), (what, _) in self._catalogs.items()):
            self._watch(PG_NAMESPACE, (database, PG_NAMESPACE))
        if self._of_columns:
            if not any(what == PG_INDEX and of == database for (of, _), (what, _) in self._catalogs.items()):
                self._watch(PG_INDEX, (database, PG_INDEX))
            self._watch(PG_ATTRIBUTE, (database, files.get(PG_ATTRIBUTE, PG_ATTRIBUTE)))

    def _watch(self, catalog: int, file: FileId) -> CatalogRows:
        """From here on a database has a catalog in that file, and in no other."""
        rows = self._catalogs.get(file, (catalog, CatalogRows(self._page_size)))[1]
        others = [key for key, (what, _) in self._catalogs.items() if what == catalog and key[0] == file[0]]
        for other in others:
            del self._catalogs[other]
        self._catalogs[file] = (catalog, rows)
        return rows

    def prepare(self, catalog: int, file: FileId) -> bool:
        """A file is made that a catalog may be written anew into: whether that is one to be watched."""
        watched = catalog in (_ALL if self._of_columns else _NAMING) and file not in self._catalogs
        if watched:
            self._catalogs[file] = (catalog, CatalogRows(self._page_size))
        return watched

    def take_pages(self, catalog: int, file: FileId, pages: Iterable[bytes], is_committed: IsCommitted) -> None:
        """Take in a catalog's pages as a backup has them: the file of a database, whole pages in any pieces."""
        rows = self._watch(catalog, file)
        for number, page in enumerate(in_pages(pages, self._page_size)):
            rows.load(number, page, newest_change(page))
            for row in rows_alive(page, _LEAST_NAMED, is_committed):
                self._take_row(catalog, file[0], row[row[22] :])

    def take_relation(self, relation: Named, schema: str) -> None:
        """Take in a relation that somebody else knows."""
        self._schemas[relation.database, relation.schema] = schema
        self._keep(relation)

    def _take_row(self, catalog: int, database: int, row: bytes) -> None:
        if len(row) < (kind_at(self._version) + 1 if catalog == PG_CLASS else _LEAST.get(catalog, _LEAST_NAMED)):
            return  # no server writes such
        if catalog == PG_CLASS:
            self._keep(self._relation(database, row))
            return
        if catalog == PG_ATTRIBUTE:
            table, attribute = attribute_in(row, self._version)
            self._columns.setdefault((database, table), {})[attribute.number] = attribute
            return
        if catalog == PG_INDEX:
            if (primary := primary_in(row, self._version)) is not None:
                self._keys[database, primary[0]] = primary[1]
            return
        number, name = named_in(row)
        self._subjects.clear()
        if catalog == PG_DATABASE:
            self.databases[number] = name
        else:
            self._schemas[database, number] = name

    def _relation(self, database: int, row: bytes) -> Named:
        found, at = relation_in(row, self._version), kind_at(self._version)
        behind = at + 1 + _WHAT_PEOPLE_CHANGE
        return Named(
            database=database, oid=found.oid, file=found.file or found.oid, schema=found.schema, name=found.name,
            kind=found.kind, space=found.space, lasting=found.permanent,
            rest=row[80:84] + row[at + 1 : behind] + row[behind + 12 :],
        )  # fmt: skip

    def _keep(self, relation: Named) -> None:
        if relation.kind in _STORED:
            self._by_file[relation.database, relation.file] = relation
        self._by_oid[relation.database, relation.oid] = relation
        self._subjects.clear()

    def watched(self) -> NDArray[np.uint64]:
        """The files that catalogs are in: numbers of databases in the upper half, of files in the lower."""
        return np.array([database << 32 | file for database, file in self._catalogs], np.uint64)

    def apply(self, file: FileId, transaction: int, logged: LoggedRow) -> None:
        """Do what a record says about a catalog's file."""
        catalog, rows = self._catalogs[file]
        if file[0] in self._made:
            for page in rows.images(logged):
                for row in rows_alive(page, _LEAST_NAMED, _any):
                    self._take_row(catalog, file[0], row[row[22] :])
        for change in rows.apply(logged):
            if transaction and not (change.gone == b"" and change.new == b""):
                self._begun.setdefault(transaction, []).append((catalog, file[0], change))

    def make_database(self, database: int) -> None:
        """A database is made from another one's pages, which follow in the log."""
        self._made.add(database)
        # It has them where the one that it is made from has: nobody says which one that is.
        for catalog in (PG_NAMESPACE, PG_INDEX) if self._of_columns else (PG_NAMESPACE,):
            for number in {catalog, *(file for (_, file), (what, _) in self._catalogs.items() if what == catalog)}:
                self._catalogs.setdefault((database, number), (catalog, CatalogRows(self._page_size)))

    def made_database(self, database: int) -> None:
        """It is made."""
        self._made.discard(database)

    def copy_database(self, source: int, target: int) -> None:
        """A database is made by copying another one's files."""
        for (database, number), (catalog, rows) in list(self._catalogs.items()):
            if database == source:
                self._catalogs[target, number] = (catalog, rows.copy())
        for (database, _), named in list(self._by_oid.items()):
            if database == source:
                self._keep(replace(named, database=target))
        for (database, schema), name in list(self._schemas.items()):
            if database == source:
                self._schemas[target, schema] = name

    def forget(self, transaction: int) -> None:
        """It never ended: what it did is nothing."""
        self._begun.pop(transaction, None)

    def at(self, file: FileId) -> Named | None:
        """The relation that a file belongs to."""
        return self._by_file.get(file)

    def numbered(self, database: int, oid: int) -> Named | None:
        """The relation of a number."""
        return self._by_oid.get((database, oid))

    def schema(self, relation: Named) -> str | None:
        """The name of a relation's schema."""
        return self._schemas.get((relation.database, relation.schema))

    def subject(self, file: FileId) -> Subject:
        """What is told of the relation of a file; only its number where nobody knows more."""
        found = self._subjects.get(file)
        if found is None:
            named = self._by_file.get(file)
            if named is not None:
                found = self.subject_of(named)
            else:
                database, number = file
                is_own = number < FIRST_OF_USERS or file in self._own
                found = Subject(self._database(database), None, None, number, is_own)
            self._subjects[file] = found
        return found

    def keys(self, file: FileId, samples: Sequence[LoggedRow]) -> tuple[dict[str, str], ...] | None:
        """The keys of rows of a file's table, of which some records are; None where the table or its key is unknown."""
        named = self._by_file.get(file)
        where = (file[0], named.oid) if named is not None else None
        if where is None or where not in self._keys or where not in self._columns:
            return None
        return keys_of(samples, self._columns[where], self._keys[where])

    def subject_of(self, relation: Named) -> Subject:
        """What is told of a relation."""
        database = self._database(relation.database)
        return Subject(database, self.schema(relation), relation.name, None, self.is_own(relation))

    def _database(self, number: int) -> str | None:
        return self.databases.get(number) or (str(number) if number else None)

    def tables(self) -> set[Name]:
        """All tables that are known, but for the engine's own."""
        return {
            Name(self.databases.get(one.database, str(one.database)), self.schema(one), one.name)
            for one in self._by_oid.values() if one.kind in _TABLES and not self.is_own(one)
        }  # fmt: skip

    def is_own(self, relation: Named) -> bool:
        """Whether it is the engine's own, holds long values, or ends with its session."""
        return relation.kind == "t" or not relation.lasting or self.schema(relation) in OWN

    @property
    def waiting(self) -> Collection[int]:
        """Transactions that did something to catalogs, and have not ended."""
        return self._begun.keys()

    def ended(self, transactions: Iterable[int], *, committed: bool) -> list[RelationChange]:
        """What transactions did to relations that end together. Only what they did that is not of relations counts
        now; `keep` does the rest."""
        found: dict[tuple[int, int], list[Named | None]] = {}
        for transaction in sorted(transactions):
            changes = self._begun.pop(transaction, [])
            for catalog, database, change in changes if committed else ():
                if catalog != PG_CLASS:
                    self._take_other(catalog, database, change)
                    continue
                self._follow(database, change, found)
        return [
            RelationChange(before=steps[0], after=steps[-1], steps=tuple(step for step in steps if step is not None))
            for steps in found.values()
        ]

    def _take_other(self, catalog: int, database: int, change: RowChange) -> None:
        if change.new is not None and len(change.new) >= _LEAST_NAMED:
            self._take_row(catalog, database, change.new)

    def _follow(self, database: int, change: RowChange, found: dict[tuple[int, int], list[Named | None]]) -> None:
        least = kind_at(self._version) + 1
        gone = self._relation(database, change.gone) if change.gone and len(change.gone) >= least else None
        new = self._relation(database, change.new) if change.new and len(change.new) >= least else None
        known = new or gone
        if known is None:
            return
        key = (database, known.oid)
        if key not in found:
            # A row that nobody knows was there all the same; else this transaction made the relation.
            was = gone or (self._by_oid.get(key) if change.gone == b"" else None)
            found[key] = [was] if was is not None or change.gone is None else [new]
        found[key].append(new)

    def keep(self, changes: Iterable[RelationChange]) -> None:
        """From here on the relations are as these changes left them."""
        for change in changes:
            if change.before is not None:
                self._by_file.pop((change.before.database, change.before.file), None)
                self._subjects.pop((change.before.database, change.before.file), None)
                if change.after is None:
                    gone = (change.before.database, change.before.oid)
                    for known in (self._by_oid, self._columns, self._keys):
                        known.pop(gone, None)
        for change in changes:
            if change.after is not None:
                self._keep(change.after)
                if change.after.oid in {PG_NAMESPACE, PG_INDEX} and (
                    change.after.oid == PG_NAMESPACE or self._of_columns
                ):
                    self._watch(change.after.oid, (change.after.database, change.after.file))


def _any(_transaction: int) -> bool:
    """Of what is copied, the bits of the rows alone tell what is alive."""
    return True


def in_pages(data: Iterable[bytes], size: int) -> Iterator[bytes]:
    """The same bytes, page by page."""
    rest = b""
    for block in data:
        rest += block
        cut = len(rest) - len(rest) % size
        yield from (rest[at : at + size] for at in range(0, cut, size))
        rest = rest[cut:]


def newest_change(page: bytes) -> int:
    """The position in the log behind the newest change that a page has."""
    return (int.from_bytes(page[:4], "little") << 32) + int.from_bytes(page[4:8], "little")

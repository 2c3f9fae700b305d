"""Of which database and table the files of a cluster are, and how large those are, by its own catalogs."""

from __future__ import annotations

import re
from collections import defaultdict
from collections.abc import Iterable, Iterator
from dataclasses import replace
from functools import cached_property
from itertools import islice

from sospes.formats.base import catalog
from sospes.formats.base.checking import Checking
from sospes.formats.base.pages import file_of
from sospes.model.events import Relation
from sospes.model.findings import Place

_SIDE_TABLE = re.compile(r"pg_toast_(\d+)(?:_index)?")
MOST_RELATIONS = 500_000
"""Relations of one database that are named; more than that are no people's."""

_OWN = ("pg_catalog", "information_schema", "pg_toast")


class Names:
    """Names of relations by their files. Each database's catalog is read when it is asked for, and then kept."""

    def __init__(self, read: Checking) -> None:
        self._read = read
        self._by_database: dict[int, dict[tuple[int, int], Relation]] = {}
        self._listed: dict[int, list[catalog.Relation]] = {}
        self.unknown: dict[str, str] = {}

    @cached_property
    def databases(self) -> dict[int, str]:
        """The cluster's databases by their numbers, templates too; none where the catalog can't be read."""
        pages = self._shared(catalog.PG_DATABASE)
        return catalog.database_names([pages], self.page_size, self.is_committed) if pages else {}

    def _shared(self, relation: int) -> bytes | None:
        """The pages of a catalog that all databases share, if they were kept, or can still be had."""
        path = f"global/{self._shared_file(relation)}"
        return self._read.kept.get(path) or self._read.members.small(path)

    def _shared_file(self, relation: int) -> int:
        kept = self._read.kept
        return catalog.mapped(kept[catalog.MAP], relation) if catalog.MAP in kept else relation

    def place(self, path: str) -> Place:
        """A file as the place of a finding, with the table that it belongs to."""
        known = self._known(path)
        if known is None:
            return Place(file=path)
        return Place(file=path, database=known.database, schema=known.schema, table=known.name)

    def said(self, path: str) -> str:
        """The table or index that a file belongs to, in words behind its path; nothing where that is not known."""
        known = self._known(path)
        return f" ({known.kind} {known.schema}.{known.name} of database {known.database})" if known else ""

    def relations(self) -> Iterator[Relation]:
        """Everybody's tables and indexes, with the bytes of their files; catalogs of the engine's own are left out.

        What holds a table's long values counts to the table. Databases whose catalogs can't be read go to `unknown`,
        with the reason.
        """
        sizes: dict[tuple[int, int], int] = defaultdict(int)
        for path, seen in self._read.seen.items():
            of = file_of(path)
            if of is not None:
                sizes[of.database, of.relation] += seen.size
        for database, name in sorted(self.databases.items(), key=lambda item: item[1]):
            whole: dict[tuple[str, str], int] = defaultdict(int)
            for (_, file), relation in self._of(database).items():
                if relation.is_side:
                    whole[relation.schema, relation.name] += sizes[database, file]
            for (_, file), relation in sorted(self._of(database).items(), key=lambda item: item[1].label):
                if relation.schema not in _OWN and not relation.schema.startswith("pg_t") and not relation.is_side:
                    beside = whole.get((relation.schema, relation.name), 0)
                    yield replace(relation, size_bytes=sizes[database, file] + beside)
            if not self._of(database):
                self.unknown.setdefault(name, "its catalog is not in the backup, or was changed since it was begun")

    def without_files(self) -> Iterator[Relation]:
        """Tables and indexes that the catalogs list, and that have no file among those that were read."""
        there = set()
        for path in self._read.seen:
            of = file_of(path)
            if of is not None and of.fork is None:
                there.add((of.database, of.relation))
        for database in self.databases:
            own = self._files(database)
            for row in self._classes(database):
                stored = row.kind in "rimtS" and row.permanent and not row.shared
                if stored and (database, own[row.oid]) not in there:
                    found = self._of(database).get((database, own[row.oid]))
                    if found is not None:
                        yield found

    def extensions(self) -> dict[str, list[str]]:
        """The extensions of each database whose catalog can be read; what every database has is left out."""
        found: dict[str, list[str]] = {}
        for number, name in self.databases.items():
            if not (own := self._files(number)):
                continue
            pages = self._pages(number, own.get(catalog.PG_EXTENSION, catalog.PG_EXTENSION))
            names = catalog.names_of(pages or (), self.page_size, self.is_committed)
            found[name] = [extension for extension in names if extension != "plpgsql"]
        return found

    def locales(self) -> dict[str, str]:
        """The collation of each database."""
        pages = self._shared(catalog.PG_DATABASE)
        return catalog.locales([pages], self.page_size, self.is_committed, self.version) if pages else {}

    @property
    def page_size(self) -> int:
        """Bytes of a page."""
        return self._read.control.page_size if self._read.control is not None else 8192

    @cached_property
    def version(self) -> int:
        """The server's version; 0 where the backup doesn't say."""
        said = self._read.kept.get("PG_VERSION", b"0").split(b".")[0].strip()
        return int(said) if said.isdigit() else 0

    @cached_property
    def is_committed(self) -> catalog.IsCommitted:
        """Whether a transaction was committed, by the backup's commit log."""
        return catalog.committed_by(self._commit_log)

    def _commit_log(self, number: int) -> bytes:
        path = f"pg_xact/{number:04X}"
        found = self._read.spooled(path)
        return b"".join(found) if found is not None else self._read.members.small(path) or b""

    def maps(self) -> Iterator[tuple[int, bytes]]:
        """The file maps, which say in which files catalogs are, by databases; that of what all share is of number 0."""
        yield 0, self._read.kept.get(catalog.MAP) or b""
        for database in self.databases:
            yield database, self._map(database)

    def catalogs(self, *, of_columns: bool) -> Iterator[tuple[int, tuple[int, int], Iterable[bytes]]]:
        """The catalogs that name things, as far as they can be read: which one, its database and file, its pages.

        The database of what all databases share is 0.
        """
        shared = self._shared(catalog.PG_DATABASE)
        if shared is not None:
            yield catalog.PG_DATABASE, (0, self._shared_file(catalog.PG_DATABASE)), (shared,)
        for database in self.databases:
            files = self._files(database)
            more = (catalog.PG_ATTRIBUTE, catalog.PG_INDEX) if of_columns else ()
            for number in (catalog.PG_NAMESPACE, catalog.PG_CLASS, *more):
                file = files.get(number) or catalog.files_of(self._map(database)).get(number, number)
                pages = self._pages(database, file)
                if pages is not None:
                    yield number, (database, file), pages

    def _known(self, path: str) -> Relation | None:
        of = file_of(path)
        if of is None:
            return None
        return self._of(of.database).get((of.database, of.relation)) if of.database else None

    def _of(self, database: int) -> dict[tuple[int, int], Relation]:
        if database not in self._by_database:
            self._by_database[database] = dict(self._relations(database))
        return self._by_database[database]

    def _classes(self, database: int) -> list[catalog.Relation]:
        """All that a database's catalog of relations lists; nothing where it can't be read."""
        if database not in self._listed:
            files = catalog.files_of(self._map(database))
            pages = self._pages(database, files.get(catalog.PG_CLASS, catalog.PG_CLASS)) or ()
            listed = catalog.relations(pages, self.page_size, self.is_committed, self.version)
            self._listed[database] = list(islice(listed, MOST_RELATIONS))
        return self._listed[database]

    def _map(self, database: int) -> bytes:
        path = f"base/{database}/pg_filenode.map"
        return self._read.kept.get(path) or self._read.members.small(path) or b""

    def _files(self, database: int) -> dict[int, int]:
        """The files of a database's relations by the relations' numbers."""
        files = catalog.files_of(self._map(database))
        return {row.oid: row.file or files.get(row.oid, row.oid) for row in self._classes(database)}

    def _relations(self, database: int) -> Iterator[tuple[tuple[int, int], Relation]]:
        """The relations of a database by their files."""
        name = self.databases.get(database, str(database))
        rows, own = self._classes(database), self._files(database)
        if not rows:
            return
        schema_pages = self._pages(database, own.get(catalog.PG_NAMESPACE, catalog.PG_NAMESPACE))
        schemas = catalog.schema_names(schema_pages or (), self.page_size, self.is_committed)
        by_oid = {row.oid: row for row in rows}
        for row in rows:
            if row.kind not in "rimtSI":
                continue
            side = _SIDE_TABLE.fullmatch(row.name)
            owner = by_oid.get(int(side[1])) if side else None
            told = owner or row
            kind = f"long values of {catalog.KINDS.get(told.kind, 'table')}" if owner else catalog.KINDS[row.kind]
            yield (
                (database, own[row.oid]),
                Relation(
                    kind=kind, database=name, schema=schemas.get(told.schema, str(told.schema)),
                    name=told.name, size_bytes=0, is_side=side is not None,
                ),
            )  # fmt: skip

    def _pages(self, database: int, file: int) -> Iterable[bytes] | None:
        """The pages of a catalog; None where they were not kept, and can't be had any more."""
        path = f"base/{database}/{file}"
        found = self._read.spooled(path)
        if found is None and (data := self._read.members.small(path)) is not None:
            found = iter((data,))
        return found

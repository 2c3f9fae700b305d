"""Reads a SQLite database file; where a log or journal lies beside it, both are copied and looked at there.

Source: SQLite documentation, "Database File Format", "Write-Ahead Logging", "Hot Journals".
"""

from __future__ import annotations

import re
import shutil
import sqlite3
from collections.abc import Iterator
from contextlib import closing
from dataclasses import replace
from pathlib import Path
from urllib.parse import quote

from sospes.formats.form import Abilities, Glance, Stored, Want, nothing
from sospes.formats.sqlite.log import log_findings, log_missing
from sospes.model.entries import ContentsEntry, Engine, Entry, Name
from sospes.model.errors import CannotCheck
from sospes.model.events import Batch, Event, Header, Notation, RowsBegin, RowsEnd
from sospes.model.findings import Finding, Place, fault, note
from sospes.model.kinds import Kind
from sospes.places.own import work_folder
from sospes.sql.lexis import Lexis
from sospes.sql.quoting import double_quoted
from sospes.sql.statements import Classifier, Where
from sospes.stream.containers import Block

NAME = "sqlite-file"
ROWS_AT_ONCE = 5000
_NEEDS_MORE = re.compile("no such (?:collation sequence|module|function|tokenizer)|unknown (?:function|tokenizer)")
"""Collations, functions and modules that a program adds to the engine; its database is sound without them here."""
MOST_PROBLEMS = 200
_BESIDE = ("-wal", "-journal")
_KINDS = {"table": "table", "index": "index", "view": "view", "trigger": "trigger"}


class SqliteReader:
    """One pass over a database file: its definitions, the engine's own check, all rows."""

    abilities = Abilities(from_beginning="this form is always read from its beginning")
    unsure = ""  # nothing is inferred from wording
    contents: tuple[ContentsEntry, ...] | None = None
    compression: str | None = None

    def __init__(self, stored: Stored, want: Want) -> None:
        self._source = stored.source
        self._text = stored.text
        self._want = want
        self._header = Header(format=NAME, engine=Engine.SQLITE)
        self._read_in_place = False

    @property
    def header(self) -> Header:
        """The format, the encoding; SQLite keeps no time of writing."""
        return self._header

    @property
    def bytes_read(self) -> int:
        """Stored bytes that were read by now; all of them, where the engine reads the file in its place."""
        return (self._source.size or 0) if self._read_in_place else self._text.bytes_read

    @property
    def plain_bytes(self) -> int:
        """Bytes of the database file."""
        return (self._source.size or 0) if self._read_in_place else self._text.plain_bytes

    def stated(self) -> Header:
        """The first bytes tell no more than the form."""
        return self._header

    def glance(self) -> Glance:
        """Its definitions, which the engine reads from the first pages that it needs; no rows."""
        if self._want.head_only and (self._source.path is None or self._packed() or self._beside()):
            return Glance(header=self._header)  # the engine reads no definitions without all of the file, or a copy
        found = [*self._through(replace(self._want, rows=nothing, check_pages=False))]
        findings = tuple(event for event in found if isinstance(event, Finding))
        entries = tuple(event for event in found if isinstance(event, Entry))
        kind = "full" if any(entry.kind == Kind.TABLE for entry in entries) else None
        return Glance(header=self._header, kind=kind, entries=entries, findings=findings)

    def implied(self) -> Iterator[Entry]:
        """A database file holds all that it means."""
        yield from ()

    def of_parts(self, _blocks: Iterator[Block | Finding]) -> None:
        """The engine reads the file as a whole."""

    def events(self) -> Iterator[Event]:
        """Findings about the file, then every definition, then each table's rows."""
        return self._through(self._want)

    def _through(self, want: Want) -> Iterator[Event]:
        with work_folder(want.work_folder) as folder:
            path, findings, copied = self._settled(folder)
            yield from findings
            if any(finding.severity == "fault" for finding in findings):
                return
            try:
                with closing(_connect(path, immutable=not copied)) as connection:
                    yield from self._looked_through(connection, want)
            except sqlite3.DatabaseError as error:
                yield _engine_fault(str(error))
        yield from self._source.changes()

    def _settled(self, folder: Path) -> tuple[Path, list[Finding], bool]:
        """The file to open: itself, or a copy where it is packed or has a log beside it."""
        path, beside = self._source.path, self._beside()
        findings: list[Finding] = []
        if path is None or self._text.containers or self._packed():
            target = folder / "unpacked.sqlite"
            findings += self._unpack(target)
            return target, findings + _size_findings(target), True
        if not beside:
            self._read_in_place = True
            return path, [*_size_findings(path), *log_missing(path)], False
        target = folder / path.name
        # The engine would take the log in, and so write to the backup: it may do that with a copy.
        _copy(path, target)
        for other in beside:
            _copy(other, Path(f"{target}{str(other)[len(str(path)) :]}"))
            findings.append(note("copied-with-log", f"{other.name} lies beside the file and was read together with it"))
        log = Path(f"{target}-wal")
        if log.exists():
            findings += log_findings(log, target)
        self._read_in_place = True
        return target, findings, True

    def _beside(self) -> list[Path]:
        """Logs and journals beside the file; an empty one is what a closed database leaves, and holds nothing."""
        path = self._source.path
        beside = [Path(f"{path}{ending}") for ending in _BESIDE if path and Path(f"{path}{ending}").exists()]
        return [other for other in beside if other.stat().st_size]

    def _packed(self) -> bool:
        from sospes.stream.containers import container_of

        return container_of(self._source.head(16)) is not None

    def _unpack(self, target: Path) -> list[Finding]:
        findings = []
        with target.open("wb") as file:
            for block in self._text.blocks():
                if isinstance(block, Block):
                    file.write(block.data)
                else:
                    findings.append(block)
        return findings

    def _looked_through(self, connection: sqlite3.Connection, want: Want) -> Iterator[Event]:
        encoding = connection.execute("PRAGMA encoding").fetchone()[0]
        self._header = Header(format=NAME, engine=Engine.SQLITE, databases=(), encoding=encoding, complete=True)
        if want.check_pages:
            yield from _page_findings(connection)
        tables = []
        for kind, name, text in connection.execute(
            "SELECT type, name, sql FROM sqlite_schema WHERE sql IS NOT NULL ORDER BY rowid"
        ).fetchall():
            if kind not in _KINDS or not isinstance(name, str) or not isinstance(text, str):
                yield _engine_fault(f"the schema holds a {kind!r} called {name!r}, which there is not")
                continue
            entry = _entry(_KINDS[kind], name, text)
            yield entry
            if entry.kind == Kind.TABLE:
                tables.append(entry)
        for entry in tables:
            yield from self._table(connection, entry, want)

    def _table(self, connection: sqlite3.Connection, entry: Entry, want: Want) -> Iterator[Event]:
        # Computed columns are no data: another copy computes them anew.
        columns = tuple(column.name for column in entry.columns if not column.generated)
        table = entry.name
        yield RowsBegin(table=table, columns=columns, entry=entry, notation=Notation.RECORDS)
        total = 0
        listed = ", ".join(double_quoted(name) for name in columns) or "NULL"
        query = f"SELECT {listed} FROM {double_quoted(table.name)}"
        try:
            if want.rows(table):
                for rows in _fetched(connection, query):
                    yield _batch(rows, len(columns), total + 1)
                    total += len(rows)
        except sqlite3.DatabaseError as error:
            yield fault(
                "rows-unreadable",
                f"{table.name}: after row {total:,} the engine can't read on: {error}",
                "the pages of this table are damaged; take it from another backup",
                Place(table=table.name, row_from=total + 1),
            )
        yield RowsEnd(table=table, rows=total, damaged=0, plain_from=0, plain_to=0)


def _fetched(connection: sqlite3.Connection, query: str) -> Iterator[list[tuple[object, ...]]]:
    """Rows some thousands at a time; where a page is damaged, all that come before it, then the engine's error."""
    cursor = connection.execute(query)
    total = 0
    try:
        while rows := cursor.fetchmany(ROWS_AT_ONCE):
            total += len(rows)
            yield rows
    except sqlite3.DatabaseError:
        yield _before_damage(connection, query, total)
        raise


def _before_damage(connection: sqlite3.Connection, query: str, skipped: int) -> list[tuple[object, ...]]:
    """The rows behind the first `skipped` ones, up to the one that the engine can't read."""
    # fetchmany drops what it had fetched when the engine fails; fetched singly, each row up to the damage comes.
    rows: list[tuple[object, ...]] = []
    try:
        for number, row in enumerate(connection.execute(query)):
            if number >= skipped:
                rows.append(row)
    except sqlite3.DatabaseError:
        return rows
    return rows


def _batch(rows: list[tuple[object, ...]], width: int, first_row: int) -> Batch:
    """Some rows as a batch of records, the values as the engine gave them."""
    return Batch(
        notation=Notation.RECORDS, data=b"", rows=len(rows), width=width, encoding="utf-8", first_row=first_row,
        plain_from=0, plain_to=0, line=0, records=tuple(rows),
    )  # fmt: skip


def _entry(kind: str, name: str, text: str) -> Entry:
    """A definition of the schema as an entry; one that is no known statement keeps its kind and name."""
    lexis = Lexis(Engine.SQLITE)
    # Names may hold bytes that are no text: the engine stores what it is given.
    found = Classifier(text.encode("utf-8", "surrogatepass"), lexis, Where(None, None, 0, 0)).entry()
    if found.kind in {"unknown", "hostile"}:
        return Entry(kind=Kind(kind), name=Name(None, None, name), definition=text.encode())
    return found


def _connect(path: Path, immutable: bool) -> sqlite3.Connection:
    """A connection that changes nothing: the file itself as one that nobody writes to, a copy once it is settled."""
    mode = "mode=ro&immutable=1" if immutable else "mode=rw"
    connection = sqlite3.connect(f"file:{quote(str(path.resolve()))}?{mode}", uri=True)
    connection.execute("PRAGMA query_only=ON") if immutable else None
    # A schema may call functions in views and indexes; none of them is to have an effect here.
    connection.execute("PRAGMA trusted_schema=OFF")
    connection.execute("PRAGMA cache_size=-16000")
    connection.text_factory = _text
    return connection


def _text(raw: bytes) -> str | bytes:
    """Text as it is; what is not valid text stays bytes."""
    try:
        return raw.decode()
    except UnicodeDecodeError:
        return raw


def _copy(source: Path, target: Path) -> None:
    """Copy a file. Raises CannotCheck where there is no room for it, or it can't be read."""
    try:
        shutil.copyfile(source, target)
    except OSError as error:
        raise CannotCheck(
            f"{source}: can't be copied to look at it: {error.strerror}",
            "name a place with room with --work-folder FOLDER",
        ) from error


def _size_findings(path: Path) -> list[Finding]:
    """The file must be as long as its header says."""
    with path.open("rb") as file:
        header = file.read(100)
    size = path.stat().st_size
    if len(header) < 100:
        return [_cut(size, 100)]
    page = int.from_bytes(header[16:18], "big")
    # The field has two bytes, in which 65,536 has no room: the format writes 1 for it.
    page = 65536 if page == 1 else page
    if page < 512 or page & (page - 1):
        return [_engine_fault(f"the header states a page size of {page} bytes, which there is not")]
    pages = int.from_bytes(header[28:32], "big")
    # The size in the header counts only if the number of changes beside it agrees: old versions left it as it was.
    counted = header[24:28] == header[92:96]
    if counted and pages * page > size:
        return [_cut(size, pages * page)]
    return []


def _cut(size: int, expected: int) -> Finding:
    """A file that is shorter than it says."""
    return fault(
        "truncated",
        f"the file has {size:,} bytes, its header promises {expected:,}",
        "the file was cut off: copy it again, or take the backup again",
        Place(stored_from=size, stored_to=expected),
    )


def _page_findings(connection: sqlite3.Connection) -> Iterator[Finding]:
    """The engine's own check of all pages and indexes, and of references, which SQLite holds only on demand."""
    problems: list[tuple[str]] = []
    # The quick check leaves indexes out, and with them the collations and functions that they need.
    for check in ("integrity_check", "quick_check"):
        try:
            problems = connection.execute(f"PRAGMA {check}({MOST_PROBLEMS})").fetchall()
            break
        except sqlite3.OperationalError as error:
            if _NEEDS_MORE.search(str(error)) is None:
                raise
            yield _check_incomplete(str(error))
        except sqlite3.DatabaseError as error:  # a page so damaged that the check itself ends
            yield _engine_fault(str(error))
            return
    for (problem,) in problems:
        if _NEEDS_MORE.search(str(problem)):
            yield _check_incomplete(str(problem))
        elif problem != "ok":
            yield _engine_fault(str(problem))
    try:
        broken = connection.execute("PRAGMA foreign_key_check").fetchmany(MOST_PROBLEMS)
    except sqlite3.OperationalError as error:
        yield note("references-unchecked", f"the engine can't check the references: {error}", "", Place())
        return
    for table, row, parent, _ in broken:
        yield note(
            "reference-broken",
            f"{table}: {'a row' if row is None else f'row {row}'} points to a row of {parent} that isn't there",
            "SQLite doesn't hold references unless asked to: the source may have these rows, too",
            Place(table=table, row_from=row, row_to=row),
        )


def _check_incomplete(problem: str) -> Finding:
    return note(
        "engine-check-incomplete",
        f"the engine can't check all: {problem}",
        "the program that uses the database brings what it needs: the order of some index was not checked",
    )


def _engine_fault(problem: str) -> Finding:
    """What the engine itself says is wrong."""
    return fault(
        "engine-check-failed",
        f"the engine's own check says: {problem}",
        "the file is damaged; take the backup from another copy",
    )

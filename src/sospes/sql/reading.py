"""Reads SQL text from its first byte to its last and yields entries, batches of rows and findings."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from contextlib import suppress
from dataclasses import dataclass, replace

from sospes.model.entries import Column, Entry, Name
from sospes.model.events import Event, Notation, RowsBegin, RowsEnd
from sospes.model.findings import Finding, Place, doubt, fault
from sospes.model.kinds import Kind
from sospes.sql.characters import MARKS_INSIDE
from sospes.sql.header import HeaderNotes
from sospes.sql.judging.agreement import (
    Announced,
    disagreement,
    owner_disagreement,
    rows_disagreement,
    statement_missing,
)
from sospes.sql.judging.authorship import BY_HAND, MARKS_IN_LETTERS, Authorship
from sospes.sql.judging.judge import FOREIGN_TEXT, Judge, foreign_text, hostile
from sospes.sql.judging.reach import OWN_DATABASES, changes_accounts
from sospes.sql.lexis import Lexis, Unfinished, comment_end, statement_end
from sospes.sql.meta import MetaLines
from sospes.sql.rows.copy_data import read_copy
from sospes.sql.rows.heads import DataHead, copy_head, copy_with_options, insert_head
from sospes.sql.rows.run import DataRun, default_names, empty_rows
from sospes.sql.rows.value_data import read_values
from sospes.sql.settings import Settings
from sospes.sql.statements import Classifier, Where
from sospes.sql.window import Window
from sospes.stream.containers import Block

LONGEST_STATEMENT = 16 << 20
"""A definition longer than this, in bytes, is taken for one whose end was lost."""

MOST_ZEROS = 20
"""Blocks with zero bytes that are told of."""

LOOK_AHEAD = 64
"""Bytes that tell what comes next: a comment, a line for the client, a statement."""

_SPACE = re.compile(rb"[ \t\n\r\f;]*+")
_LINE = re.compile(rb"[^\n]*+\n")
_RESUME = re.compile(
    rb"\n(?=--\n-- |COPY |CREATE |ALTER |INSERT INTO |SET |SELECT pg_catalog|DROP |LOCK TABLES|/\*M?![0-9])"
)
_BEHIND_GAP = re.compile(_RESUME.pattern + rb"|(?:\A|\n)(\\\.)\r?\n")
_DEFAULT_ROW = re.compile(rb"insert\s+into\s+.*?\s+default\s+values\s*;", re.I | re.S)
_HALF = re.compile(rb"[\x81-\xfe]\\")
_FOREIGN_LINE = re.compile(
    rb"[\w./-]+: (?:\[[\w ()]+\] )?(?:error|warning|hint|detail|notice|fatal|panic|got err|couldn't|can't|unknown)",
    re.I,
)
Wanted = Callable[[Name], bool]


@dataclass(frozen=True, slots=True)
class Ending:
    """How a text ended: where, and what of its form shows only then.

    missing       the finding that nothing follows the last heading; None where something did
    crlf          its lines end in carriage return and line feed
    open_line     its last line has no newline
    letters       why strings may end elsewhere than they seem to; empty where they can't
    """

    offset: int
    line: int
    missing: Finding | None
    crlf: bool
    open_line: bool
    letters: str


class SqlText:
    """One pass over SQL text: a script, or the definitions and rows that another form keeps as text.

    wants       tells whose rows are to come as batches; others are passed over
    by_program  the text surely comes from a backup program, whatever it says of itself
    """

    def __init__(
        self,
        blocks: Iterator[Block | Finding],
        lexis: Lexis,
        wants: Wanted | None = None,
        *,
        by_program: bool = False,
    ) -> None:
        self._blocks = self._watched(blocks)
        self._window = Window(iter(()))
        self._has_halves = False
        self.notes = HeaderNotes()
        self.settings = Settings(lexis, self.notes)
        self._by_program = by_program
        self._authorship = Authorship(lexis.engine)
        self._judge = Judge(self.settings, lambda: not self.unsure)
        self.wants = wants or (lambda _: True)
        self.tables: dict[Name, Entry] = {}
        self._types: dict[Name, dict[str, Column]] = {}
        self._announced: Announced | None = None
        self._heading: Announced | None = None
        self._crlf = False
        self._last_comment = ""
        self._meta = MetaLines(self.settings)
        self._with_losses: set[Name] = set()

    @property
    def unsure(self) -> str:
        """Why the script's wording proves nothing; empty where all shows that a backup program wrote it."""
        if self._has_marks_in_letters:
            return MARKS_IN_LETTERS
        seen = self.notes.openings > 0 or bool(self.notes.transaction) or self._authorship.laid_out
        return "" if self._by_program or (seen and not self._authorship.by_hand) else BY_HAND

    @property
    def _has_marks_in_letters(self) -> bool:
        """Whether backslashes stand behind bytes that may be first halves of letters, and would be marks elsewhere."""
        lexis = self.settings.lexis
        return self._has_halves and lexis.is_mariadb and lexis.encoding in MARKS_INSIDE

    def restart(self, blocks: Iterator[Block | Finding], wants: Wanted | None = None) -> None:
        """Go on with other text, keeping the settings and tables that are known by now."""
        self._blocks = self._watched(blocks)
        self.wants = wants or self.wants

    def _watched(self, blocks: Iterator[Block | Finding]) -> Iterator[Block | Finding]:
        """The same blocks; no engine writes a zero byte into a script, so one is told of wherever it stands.

        In MariaDB's scripts it is noticed whether a backslash stands behind a byte that may be half a letter.
        """
        told = 0
        for block in blocks:
            if not isinstance(block, Block):
                yield block
                continue
            if self.settings.lexis.is_mariadb and not self._has_halves and b"\\" in block.data:
                self._has_halves = _HALF.search(block.data) is not None
            if told < MOST_ZEROS and (first := block.data.find(0)) >= 0:
                told += 1
                last = block.data.rfind(0)
                yield fault(
                    "zero-bytes",
                    f"{block.data.count(0):,} zero bytes stand in the text, where no script has any",
                    "a part of the file was lost, by a crash or a bad copy: take the backup from another copy",
                    Place(plain_from=block.plain_from + first, plain_to=block.plain_from + last + 1),
                )
            yield block

    def events(self) -> Iterator[Event]:
        """Everything in stored order. Damage is yielded as findings, never raised."""
        self._window = Window(self._blocks)
        yield from self._statements(self._window)

    def ending(self) -> Ending:
        """How the text ended, once all events were taken."""
        window = self._window
        return Ending(
            offset=window.offset, line=window.line, missing=statement_missing(self._announced), crlf=self._crlf,
            open_line=bool(window.data) and not window.data.endswith(b"\n"),
            letters=MARKS_IN_LETTERS if self._has_marks_in_letters else "",
        )  # fmt: skip

    def _statements(self, window: Window) -> Iterator[Event]:
        while True:
            yield from self._between(window)
            yield from window.taken_findings()
            if window.left:
                yield from self._statement(window)
            elif window.broken:
                yield from self._behind_gap(window)
            else:
                break
        yield from window.taken_findings()

    def _behind_gap(self, window: Window) -> Iterator[Finding]:
        """Text is missing: go on at the next place where a statement surely begins."""
        window.resume()
        begin, line = window.offset, window.line
        while (found := _BEHIND_GAP.search(window.data, window.position)) is None:
            window.advance(max(window.position, len(window.data) - LOOK_AHEAD))
            if not window.grow(1 << 20):
                window.advance(len(window.data))
                break
        else:
            window.advance(found.end())
        place = Place(plain_from=begin, plain_to=window.offset, line=line, database=self.settings.database)
        if found is not None and found[1]:
            rows = max(0, window.line - line - 2)
            yield fault(
                "rows-unplaced",
                f"about {rows:,} rows follow the damage before a closing mark; the name of their table is lost",
                "the table is the one that broke off before the damage, or one that stood behind it",
                place,
            )
        else:
            yield fault(
                "text-lost",
                f"behind the damage {window.offset - begin:,} bytes of text can't be told apart",
                "reading went on at the next statement; what stood there is lost",
                place,
            )

    def _between(self, window: Window) -> Iterator[Event]:
        """Step over space, comments and client lines up to the next statement."""
        while True:
            space = _SPACE.match(window.data, window.position)
            if space and space.end() > window.position:
                window.advance(space.end())
            if window.left < LOOK_AHEAD and window.grow(LOOK_AHEAD):
                continue
            if not window.left:
                return
            first = window.data[window.position : window.position + 2]
            if _FOREIGN_LINE.match(window.data, window.position):
                place = self._place(window)
                text = self._take_line(window)[:100].decode("utf-8", "replace").strip()
                yield foreign_text(text, place)
            elif first[:1] == b"-" and self.settings.is_line_comment(window.data, window.position):
                yield from self._comment(window)
            elif first[:1] == b"#" and self.settings.lexis.is_mariadb:
                self._take_line(window)
            elif first == b"/*":
                if not self._block_comment(window):
                    return
            elif first[:1] == b"\\" or self._meta.begins(window.data, window.position):
                yield from self._meta.take(self._take_line(window), self._place(window))
            else:
                return

    def _take_line(self, window: Window) -> bytes:
        """The line that comes next, with its end, which the window is moved behind."""
        while (match := _LINE.match(window.data, window.position)) is None:
            if window.left > LONGEST_STATEMENT or not window.grow():
                line = window.data[window.position :]
                window.advance(len(window.data))
                return line
        window.advance(match.end())
        return match[0]

    def _comment(self, window: Window) -> Iterator[Finding]:
        """A line comment: what it says of the backup, of what is to come, or of how it ended."""
        offset = window.offset
        raw = self._take_line(window)
        if raw == b"--\n":
            self.notes.bare_line(offset)
            return
        if not self._crlf and window.line <= 2 and raw.endswith(b"\r\n"):
            self._crlf = True
        line = raw.decode(self.settings.codec, "replace").rstrip("\r\n")
        announced = self.notes.comment(line, offset, raw.endswith(b"\n"))
        if announced is not None:
            self._heading = announced
            missing = statement_missing(self._announced)
            self._announced = announced
            if missing is not None:
                yield missing.at(plain_from=offset, line=window.line)
        self.settings.after_comment(line)
        self._last_comment = line if len(line) > 2 else self._last_comment

    def _block_comment(self, window: Window) -> bool:
        """Step over a comment; False if what comes is a conditional statement."""
        after = window.data[window.position + 2 : window.position + 8]
        if after[:1] == b"!" or after[:2] == b"M!":
            if b"enable the sandbox mode" not in window.data[window.position : window.position + 48]:
                return False
            self._take_line(window)
            return True
        if after[1:4].isdigit() and self.settings.lexis.is_mariadb:
            return False  # its mark is damaged
        while True:
            with suppress(Unfinished):
                window.advance(comment_end(window.data, window.position, self.settings.lexis))
                return True
            if window.left > LONGEST_STATEMENT or not window.grow():
                return False

    def _where(self, window: Window) -> Where:
        """Where the script stands, for the statement that comes."""
        return Where(self.settings.database, self.settings.schema, window.offset, window.line)

    def _place(self, window: Window) -> Place:
        """Where the window stands, for what is found there."""
        return Place(plain_from=window.offset, line=window.line, database=self.settings.database)

    def _statement(self, window: Window) -> Iterator[Event]:
        """The statement that comes: rows are read as such, all else is classified and judged."""
        announced, self._announced = self._announced, None
        # Heads of statements are matched in the window as it is: enough of them has to be there.
        if window.left < 1 << 16:
            window.grow(1 << 16)
        where, lexis = self._where(window), self.settings.lexis
        head = window.data[window.position : window.position + 6].lower()
        if head[:4] == b"copy" and head[4:5].isspace():
            copy = copy_head(window.data, window.position, lexis, where)
            if copy is not None:
                yield from self._announced_rows(announced, copy.table, window)
                yield from self._rows(window, copy, Notation.COPY)
                return
            if (other := copy_with_options(window.data, window.position)) is not None:
                yield from self._unread_rows(window, other)
                return
        # INSERT may stand in a conditional comment, as MariaDB's programs write it for tables of some engines.
        if head[:6] in {b"insert", b"replac"} or head[:3] in {b"/*!", b"/*m"}:
            insert = insert_head(window.data, window.position, lexis, where)
            if insert is not None and not _is_schema_table(insert.table):
                yield from self._own_table(insert.table, window)
                yield from self._announced_rows(announced, insert.table, window)
                yield from self._rows(window, insert, self.settings.notation)
                return
        yield from self._definition(window, where, announced)

    def _unread_rows(self, window: Window, head: re.Match[bytes]) -> Iterator[Finding]:
        """Rows in a form that no backup program writes: stepped over, up to their closing mark."""
        place = self._place(window)
        target, options = (head[group].decode("utf-8", "replace").strip() for group in (1, 2))
        window.advance(head.end())
        while (line := self._take_line(window)).strip() != b"\\.":
            if not line:
                yield fault(
                    "truncated",
                    f"the rows of COPY {target} have no closing mark",
                    "the file was cut off: copy it again, or take the backup again",
                    place,
                )
                return
        yield doubt(
            "rows-unread",
            f"the rows of COPY {target} are written with options of their own, {options}, and were not read",
            "no backup program writes them so: have a server of its engine restore it, and count there",
            place,
        )

    def _own_table(self, table: Name, window: Window) -> Iterator[Finding]:
        """Rows for a table of the server itself, by its full name: no backup program writes such."""
        database = (table.database or "").lower()
        if self.settings.lexis.is_mariadb and database in OWN_DATABASES and self.settings.database != table.database:
            yield hostile(f"puts rows into {table.full_label}, a table of the server itself", self._place(window))

    def _announced_rows(self, announced: Announced | None, table: Name, window: Window) -> Iterator[Finding]:
        """Whether rows are of the table that the heading before them names."""
        finding = rows_disagreement(announced, table) if announced and "root" not in self._last_comment else None
        if finding is not None:
            yield finding.at(plain_from=window.offset, line=window.line)

    def _rows(self, window: Window, head: DataHead, notation: Notation) -> Iterator[Event]:
        """The rows of a COPY section or of INSERT statements, between a beginning and an end."""
        table, columns, rows_from = head.table, head.columns, head.rows_from
        opening = window.data[window.position : rows_from]
        entry = self.tables.get(table)
        if columns is None:
            columns = default_names(entry, self.settings.lexis.engine)
        self._authorship.rows(opening, qualified=table.schema is not None and b"." in opening)
        run = DataRun(
            table=table,
            columns=columns,
            entry=entry,
            notation=notation,
            opening=opening,
            crlf=head.crlf or self._crlf,
            encoding=self.settings.codec,
            lexis=self.settings.lexis,
            wanted=self.wants(table),
            encoding_stated=self.notes.encoding is not None,
            lost_before=table in self._with_losses,
            unsure=self.unsure,
        )
        begin = window.offset
        window.advance(rows_from)
        yield RowsBegin(table=table, columns=columns, entry=entry, notation=notation, opening=opening)
        yield from read_copy(window, run) if notation is Notation.COPY else read_values(window, run)
        if run.lost:
            self._with_losses.add(table)
        yield RowsEnd(
            table=table, rows=run.rows, damaged=run.damaged, plain_from=begin, plain_to=window.offset,
            lost=run.lost,
        )  # fmt: skip

    def _definition(self, window: Window, where: Where, announced: Announced | None) -> Iterator[Event]:
        """A statement not about rows: what it defines, what is wrong with it, what it changes for later ones."""
        try:
            end, stray = self._end_of_statement(window)
        except Unfinished as unfinished:
            yield self._lost_end(window, unfinished)
            return
        statement = window.data[window.position : end]
        if stray >= 0:
            yield from self._meta.stray(window.data[stray:end], self._place(window))
        if _DEFAULT_ROW.match(statement):
            yield from self._default_row(window, where, end)
            return
        classifier = Classifier(statement, self.settings.lexis, where)
        entry = classifier.entry()
        if entry.parents and entry.kind == Kind.TABLE:
            entry = self._inherited(entry)
        finding = self._judge.finding(entry, classifier.phrase)
        self._authorship.definition(entry)
        if finding is None and announced is not None:
            finding = disagreement(announced, entry)
        if finding is None and entry.kind == Kind.OWNERSHIP and self._heading is not None:
            finding = owner_disagreement(self._heading, entry, classifier.last_name())
        window.advance(end)
        if finding is not None:
            yield finding.at(plain_from=entry.plain_from, plain_to=entry.plain_to, line=entry.line)
        if changes_accounts(entry):
            yield hostile(f"changes {entry.name.full_label}, where the server keeps accounts", Place(line=entry.line))
        # What a statement sets counts from the next one on: database, schema, characters, how strings are read.
        self.settings.after_statement(entry)
        if entry.kind == Kind.TYPE and entry.columns:
            self._types[entry.name] = {column.name: column for column in entry.columns}
        if entry.kind in {Kind.TABLE, Kind.FOREIGN_TABLE, Kind.VIRTUAL_TABLE}:
            self.tables[entry.subject] = entry
        yield entry

    def _inherited(self, entry: Entry) -> Entry:
        """The parents' columns come first, as the server puts them; `open` where a parent is not in the script."""
        columns: dict[str, Column] = {}
        options = entry.options
        for name in entry.parents:
            known = self.tables.get(name)
            if known is not None:
                columns.update((column.name, column) for column in known.columns)
                options |= known.options & {"open"}
            elif name in self._types:
                columns.update(self._types[name])
            else:
                options |= {"open"}
        for column in entry.columns:
            inherited = columns.get(column.name)
            if inherited is None or column.type:
                columns[column.name] = column
            else:  # only what is added to it is stated
                not_null, default = inherited.not_null or column.not_null, column.default or inherited.default
                columns[column.name] = replace(inherited, not_null=not_null, default=default)
        return replace(entry, columns=tuple(columns.values()), options=options)

    def _end_of_statement(self, window: Window) -> tuple[int, int]:
        """Where the statement ends, for which the window grows as far as needed."""
        while True:
            try:
                return statement_end(window.data, window.position, self.settings.lexis)
            except Unfinished:
                if window.left > LONGEST_STATEMENT or not window.grow(2 * window.left):
                    raise

    def _lost_end(self, window: Window, unfinished: Unfinished) -> Finding:
        """A statement without an end: the text was cut there, or a quote in it is damaged."""
        begin, line, start = window.offset, window.line, window.position
        resume = _RESUME.search(window.data, start + 1)
        text = window.data[start : start + 60].split(b"\n")[0].decode("utf-8", "replace")
        window.advance(resume.end() if resume else len(window.data))
        place = Place(plain_from=begin, plain_to=window.offset, line=line, database=self.settings.database)
        if FOREIGN_TEXT.match(window.data, start):
            return foreign_text(text, place)
        if resume is None and window.broken:
            return fault(
                "text-lost",
                f"the text breaks off inside {unfinished.inside}; it begins: {text}",
                "that statement is lost to the damage; reading went on behind it",
                place,
            )
        if resume is None and window.ended:
            return fault(
                "truncated",
                f"the text ends inside {unfinished.inside}; it begins: {text}",
                "the file was cut off: copy it again, or take the backup again",
                place,
            )
        return fault(
            "statement-unreadable",
            f"{unfinished.inside} never ends; it begins: {text}",
            "a quote or bracket in it is damaged; reading went on at the next statement",
            place,
        )

    def _default_row(self, window: Window, where: Where, end: int) -> Iterator[Event]:
        """INSERT ... DEFAULT VALUES: one row of a table without columns."""
        statement = window.data[window.position : end]
        entry = Classifier(statement, self.settings.lexis, where).entry()
        table = entry.subject
        window.advance(end)
        known, notation = self.tables.get(table), self.settings.notation
        yield RowsBegin(table=table, columns=(), entry=known, notation=notation, opening=statement)
        yield empty_rows(1, self.settings.notation, where.plain_from, where.line)
        yield RowsEnd(table=table, rows=1, damaged=0, plain_from=where.plain_from, plain_to=window.offset)


def _is_schema_table(table: Name) -> bool:
    return table.name in {"sqlite_schema", "sqlite_master", "sqlite_sequence"}

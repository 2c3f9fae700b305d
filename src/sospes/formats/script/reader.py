"""Reads a script: its statements and rows, then whether it has the ending that its head promises."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import replace

from sospes.formats.form import Abilities, Glance, Stored, Wants, nothing
from sospes.model.entries import ContentsEntry, Engine, Entry, Name
from sospes.model.events import Event, Header
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.model.kinds import Kind
from sospes.sql.header import HeaderNotes
from sospes.sql.lexis import Lexis
from sospes.sql.reading import Ending, SqlText
from sospes.stream.containers import Block

NAME = "sql-script"
TAIL_SIZE = 4096
_TAIL_CLOSING = re.compile(
    rb"(?:--\r?\n-- PostgreSQL database (?:cluster )?dump complete\r?\n--\s*(?:\\unrestrict (\w+)\s*)?"
    rb"|-- Dump completed(?: on \d{4}-\d\d-\d\d +\d{1,2}:\d\d:\d\d)?\s*|\nCOMMIT;\s*)\Z"
)
_BREAKS = frozenset({"truncated", "container-damaged"})
"""Findings that say that the end is gone: that the closing line is, too, is no news then."""


class ScriptReader:
    """One pass over a script."""

    abilities = Abilities(one_text=True, defines_all=True)
    contents: tuple[ContentsEntry, ...] | None = None
    compression: str | None = None

    def __init__(
        self, stored: Stored, lexis: Lexis, wants: Wants, blocks: Iterator[Block | Finding] | None = None
    ) -> None:
        self._stored = stored
        self._lexis = lexis
        self._wants = wants
        self._sql = SqlText(stored.text.blocks() if blocks is None else blocks, lexis, wants)

    @property
    def header(self) -> Header:
        """What the script said of itself, as far as it was read."""
        return self._sql.notes.header(NAME)

    @property
    def unsure(self) -> str:
        """Why the script's wording proves nothing; empty where all shows that a backup program wrote it."""
        return self._sql.unsure

    @property
    def bytes_read(self) -> int:
        """Stored bytes that were read by now."""
        return self._stored.text.bytes_read

    @property
    def plain_bytes(self) -> int:
        """Bytes of plain text that were read by now."""
        return self._stored.text.plain_bytes

    def events(self) -> Iterator[Event]:
        """Everything in stored order. Damage is yielded as findings, never raised."""
        cut = False
        for event in self._sql.events():
            cut = cut or (isinstance(event, Finding) and event.code in _BREAKS)
            yield event
        for finding in closing_findings(self._sql.notes, self._sql.ending(), self._sql.settings.codec):
            if not (cut and finding.code == "closing-line-missing"):
                yield finding

    def implied(self) -> Iterator[Entry]:
        """A script says all that it means."""
        yield from ()

    def of_parts(self, blocks: Iterator[Block | Finding]) -> ScriptReader:
        """The same script, read from parts of its text: its head, then the tables that are wanted, and its end."""
        return ScriptReader(self._stored, self._lexis, self._wants, blocks)

    def _head(self) -> tuple[HeaderNotes, tuple[Name, ...]]:
        """What is said in the head alone, and the tables that it defines."""
        sql = SqlText(iter([Block(self._stored.head.plain, 0, 0)]), self._lexis, nothing)
        # A head ends anywhere, so what it lacks is no finding.
        tables = [event.name for event in sql.events() if isinstance(event, Entry) and event.kind == Kind.TABLE]
        return sql.notes, tuple(tables)

    def stated(self) -> Header:
        """What the head says of the script, whatever follows it."""
        return self._head()[0].header(NAME)

    def glance(self) -> Glance:
        """What the head says, and the tail where the bytes lie open."""
        head, source = self._stored.head, self._stored.source
        notes, tables = self._head()
        tail = None
        if not (head.containers or head.characters or source.size is None):
            tail = source.part(max(0, source.size - TAIL_SIZE), TAIL_SIZE)
        complete = notes.complete if head.whole else _complete_by_tail(notes, tail, source.size or 0)
        header = replace(notes.header(NAME), complete=complete)
        findings = (_closing_missing(None),) if complete is False else ()
        several = not head.whole and (header.cluster or notes.several)
        return Glance(header=header, several=several, tables=tables, findings=findings)


def _complete_by_tail(notes: HeaderNotes, tail: bytes | None, size: int) -> bool | None:
    """Whether the closing line stands in the last bytes; None where only reading everything would tell."""
    if tail is None or (not notes.openings and notes.engine is not Engine.SQLITE):
        return None
    match = _TAIL_CLOSING.search(tail)
    if match is None:
        return False
    notes.comment(match[0].decode("ascii", "replace").strip(), size)  # it says when the backup was written
    if b"cluster dump complete" in match[0]:
        return True  # the head may end within one database, whose key its own end gives back
    keys = notes.restrict_keys
    return not keys or (match[1] or b"").decode() in keys


def closing_findings(notes: HeaderNotes, ending: Ending, codec: str) -> Iterator[Finding]:
    """What is missing at the end of a script, by what its head promised."""
    place = Place(plain_from=ending.offset, line=ending.line)
    complete = notes.complete
    if ending.missing is not None and complete:
        yield ending.missing
    if ending.crlf:
        yield note("crlf-line-ends", "all lines end in carriage return and line feed: the text was converted")
    if ending.letters:
        yield doubt(
            "letters-unsure",
            f"{ending.letters} ({codec}): strings may end elsewhere than they seem to",
            "have its own engine restore it, or take the backup in utf8mb4",
        )
    promises = notes.openings > 0 or notes.engine is Engine.SQLITE
    if complete is False or (notes.settings_saved and not notes.settings_restored):
        yield _closing_missing(place)
    elif (notes.closings and not notes.openings) or notes.transaction == "commit only":
        yield fault(
            "opening-missing",
            "the script has a closing line and no header: its beginning is gone",
            "take the backup from another copy",
            place,
        )
    elif complete is None and not (promises and complete):
        yield doubt(
            "completeness-unknown",
            "neither header nor closing line: nothing in the script shows that it is whole",
            "have the backup program write its comments, or compare the rows with live",
            place,
        )
    if ending.open_line and complete:
        yield note("last-newline-missing", "the last newline is missing; nothing else is", "", place)


def _closing_missing(place: Place | None) -> Finding:
    return fault(
        "closing-line-missing",
        "the closing line is missing, though the head of the script promises one",
        "the backup was cut off or its program failed: take it again",
        place,
    )

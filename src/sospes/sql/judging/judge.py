"""What is wrong with a single statement: whether its words and bytes are such as the engine, or its programs, write."""

from __future__ import annotations

import re
from collections.abc import Callable
from dataclasses import replace

from sospes.model.entries import Engine, Entry
from sospes.model.findings import Finding, Place, doubt, fault
from sospes.model.kinds import Kind
from sospes.sql.characters import first_broken
from sospes.sql.grammar import refused_by_sqlite
from sospes.sql.judging.reach import OWN_DATABASES
from sospes.sql.judging.wording import strange_identity, strange_statement, strange_tail, strange_words
from sospes.sql.keywords import near_type
from sospes.sql.lexis import Token, tokens, without_comments
from sospes.sql.phrase import Phrase
from sospes.sql.rows.heads import INSERT_TARGET, insert_head
from sospes.sql.settings import Settings
from sospes.sql.statements import Where

_CONTROL = re.compile(rb"[\x00-\x08\x0b\x0e-\x1f]")
_INSERTS = frozenset({"insert", "replace"})
_INSERT_OTHERWISE = re.compile(INSERT_TARGET.pattern + rb"\s*(?:select\b|set\b|table\b|with\b|\(\s*select\b)", re.I)
FOREIGN_TEXT = re.compile(
    rb"(?:\S+: )?(?:\S+: )?(?:error|warning|fatal|notice|hint|panic|usage|got error|couldn't|can't|access denied|"
    rb"permission denied|segmentation fault|killed|connection|broken pipe|no space)\b",
    re.I,
)


_ASKED = frozenset(
    {Kind.VIEW, Kind.INDEX, Kind.TRIGGER, Kind.EMPTYING, Kind.DATA, Kind.SEQUENCE_VALUE, Kind.SETTING, Kind.TRANSACTION}
)
"""Kinds of statements of which SQLite itself is asked whether it can read them."""

_CHANGING = frozenset({Kind.TABLE, Kind.DROP, Kind.EMPTYING, Kind.CATALOG_UPDATE, Kind.TABLE_SETTING, Kind.INDEX})


def _beginning(entry: Entry) -> str:
    return " ".join(entry.definition[:80].decode("utf-8", "replace").split())


class Judge:
    """Judges statements by where the script stands.

    by_program  tells whether the text comes from a backup program, as far as it was read
    """

    def __init__(self, settings: Settings, by_program: Callable[[], bool]) -> None:
        self._settings = settings
        self._notes = settings.notes
        self._by_program = by_program

    def finding(self, entry: Entry, words: Callable[[], Phrase]) -> Finding | None:
        """What is wrong with a statement, if anything is; `words` gives it in pieces."""
        place = Place(
            plain_from=entry.plain_from,
            plain_to=entry.plain_to,
            line=entry.line,
            database=entry.name.database,
        )
        if entry.kind == Kind.HOSTILE:
            return hostile(f"{entry.name.name}: {_beginning(entry)}", place)
        if entry.kind == Kind.ROLLBACK and self._notes.engine is Engine.SQLITE:
            return fault(
                "dump-rolled-back",
                "the script ends by taking everything back: its writer met an error",
                "check the database that it was taken from, then take the backup again",
                place,
            )
        if entry.kind == Kind.DATA and words().tokens[0].word in _INSERTS and not self._inserts_rows(entry):
            return fault(
                "statement-unreadable",
                f"an INSERT is cut or damaged: {_beginning(entry)}",
                "a byte in it is damaged, or a part of it is gone; its rows are lost; compare with another copy",
                place,
            )
        if entry.strange:
            return self._strange(entry, place)
        if entry.kind != Kind.UNKNOWN:
            return self._broken_text(entry, place) or self._unclear(entry, place, words)
        text = _beginning(entry)
        if FOREIGN_TEXT.match(entry.definition):
            return foreign_text(text, place)
        if self._settings.newer_than_known:
            return doubt(
                "statement-unknown",
                f"written by a newer server than is known, and not understood: {text}",
                "restore it on a server of that version to be sure",
                place,
            )
        return fault(
            "statement-unreadable",
            f"no statement begins like this: {text}",
            "a byte in it is damaged, or it is not part of the backup; compare with another copy",
            place,
        )

    def _inserts_rows(self, entry: Entry) -> bool:
        """Whether an INSERT without readable VALUES is one of another form: from a query, or with SET."""
        where = Where(None, None, 0, 0)
        head = insert_head(entry.definition, 0, self._settings.lexis, where)
        bare = without_comments(entry.definition, self._settings.lexis)
        return head is not None or _INSERT_OTHERWISE.match(bare) is not None

    def _strange(self, entry: Entry, place: Place) -> Finding:
        """Certain in what a backup program wrote, or what the engine itself refuses; else people may know better."""
        certain = self._by_program() or self._notes.engine is Engine.SQLITE
        return (fault if certain and not self._settings.newer_than_known else doubt)(
            "definition-unreadable",
            f"{entry.kind} {entry.name.label}: the engine has no such words: {entry.strange}",
            "a byte in it is damaged: what it makes, and all rows of a table, would be lost; compare with another copy",
            place,
        )

    def _unclear(self, entry: Entry, place: Place, words: Callable[[], Phrase]) -> Finding | None:
        """A statement that no backup program words like this, in a script that one wrote."""
        if self._notes.engine is Engine.SQLITE and entry.kind in _ASKED:
            refusal = refused_by_sqlite(words().text(0, len(words().tokens)))
            return self._strange(replace(entry, strange=refusal), place) if refusal else None
        if not self._by_program() or self._settings.newer_than_known:
            return None
        lexis = self._settings.lexis
        strange = strange_statement(entry.kind, words, lexis) or self._elsewhere(entry) or self._unwritten(entry, words)
        if not strange:
            strange = strange_words(entry.kind, words, lexis)
        if entry.kind == Kind.IDENTITY and strange_identity(entry.text):
            strange = " ".join(entry.text.split())[:80]
        elif entry.kind == Kind.TABLE and lexis.is_mariadb:
            strange = strange or strange_tail(words())
        elif entry.kind == Kind.TABLE and lexis.engine is Engine.POSTGRESQL:
            strange = strange or next(filter(None, (near_type(column.type) for column in entry.columns)), "")
        if not strange:
            return None
        return doubt(
            "statement-unclear",
            f"no backup program words a statement like this: {strange}",
            "a byte in it may be damaged, or somebody edited it: compare with another copy, or rehearse it",
            place,
        )

    def _elsewhere(self, entry: Entry) -> str:
        """A change in another database than the one that MariaDB's script stands in; programs go there first."""
        here, there = self._settings.database, entry.name.database
        if not self._settings.lexis.is_mariadb or entry.kind not in _CHANGING or None in {here, there} or here == there:
            return ""
        return f"it changes {entry.name.full_label}, and the script stands in {here}"

    def _unwritten(self, entry: Entry, words: Callable[[], Phrase]) -> str:
        """Rows that are changed or emptied, outside of the server's own tables, and tables that are renamed."""
        schema = (entry.name.schema or "") if self._notes.engine is Engine.POSTGRESQL else entry.name.database
        own = schema == "pg_catalog" or (schema or "").lower() in OWN_DATABASES
        changes = entry.kind in {Kind.EMPTYING, Kind.CATALOG_UPDATE} and not own
        renames = entry.kind == Kind.TABLE_SETTING and any(token.word == "rename" for token in words().tokens)
        return _beginning(entry) if changes or renames else ""

    def _broken_text(self, entry: Entry, place: Place) -> Finding | None:
        """A control character where only words and marks stand, or bytes that are no text in UTF-8.

        Strings, names and comments may hold any character; servers check the characters of UTF-8, and those of other
        sets by rules of their own.
        """
        if _CONTROL.search(entry.definition) is not None:
            odd = next((token for token in tokens(entry.definition, self._settings.lexis) if _is_control(token)), None)
            if odd is None:
                return None
            at, raw = odd.start, entry.definition[odd.start : odd.end]
        else:
            error = first_broken(entry.definition, self._settings.codec, self._settings.lexis.is_mariadb)
            if error is None or self._settings.lexis.engine is Engine.SQLITE:
                return None
            at, raw = error.start, entry.definition[error.start : error.end]
        return fault(
            "definition-damaged",
            f"the bytes {raw.hex()} can't stand in a definition: {_beginning(entry)}",
            "a byte in it is damaged; compare with another copy",
            replace(place, plain_from=entry.plain_from + at, plain_to=entry.plain_from + at + len(raw)),
        )


def hostile(what: str, place: Place) -> Finding:
    """What is said of something that reaches outside of the backup's own databases."""
    return fault("hostile-statement", what, "do not feed this file to a server; find out who could write to it", place)


def foreign_text(text: str, place: Place) -> Finding:
    """What is said of a message of another program."""
    return fault(
        "foreign-text",
        f"a message of another program stands among the statements: {text}",
        "the backup program failed or its messages went into the file: take the backup again",
        place,
    )


def _is_control(token: Token) -> bool:
    return token.kind == "mark" and _CONTROL.fullmatch(token.text.encode("utf-8", "replace")) is not None

"""Where a script stands: database, schema, character set, and how strings are to be read."""

from __future__ import annotations

import re

from sospes.model.entries import Engine, Entry
from sospes.model.events import Notation
from sospes.model.kinds import Kind
from sospes.sql.characters import codec_of
from sospes.sql.header import NEWEST_POSTGRESQL, HeaderNotes, major_version
from sospes.sql.lexis import Lexis

_CLIENT_ENCODING = re.compile(rb"set\s+client_encoding\s*(?:=|to)\s*'?([\w-]+)", re.I)
_STRINGS = re.compile(rb"set\s+standard_conforming_strings\s*(?:=|to)\s*'?(\w+)", re.I)
_SEARCH_PATH = re.compile(rb"set\s+search_path\s*(?:=|to)\s*\"?([A-Za-z_][\w$]*)\"?", re.I)
_NAMES = re.compile(rb"set\s+names\s+'?(\w+)", re.I)
_SQL_MODE = re.compile(rb"(?<!old_)sql_mode\s*=\s*(?:'([^']*)'|\"([^\"]*)\"|(?!default\b)(\w+))", re.I)
_RESTORED_MODE = re.compile(rb"(?<!@)\bsql_mode\s*=\s*@", re.I)
_CURRENT_DATABASE = re.compile(r"^-- Current Database: `(.*)`\s*$")


class Settings:
    """Follows the statements that change how the rest of the script is to be read."""

    def __init__(self, lexis: Lexis, notes: HeaderNotes) -> None:
        self.lexis = lexis
        self.notes = notes
        self.database: str | None = None
        self.schema: str | None = "public" if lexis.engine is Engine.POSTGRESQL else None
        self._saved_lexis: list[Lexis] = []
        notes.engine = notes.engine or lexis.engine

    @property
    def codec(self) -> str:
        """The codec of the script's text."""
        return self.lexis.encoding

    @property
    def notation(self) -> Notation:
        """How the values of INSERT statements are written just now."""
        if self.lexis.engine is Engine.POSTGRESQL:
            return Notation.POSTGRESQL
        if self.lexis.engine is Engine.SQLITE:
            return Notation.SQLITE
        return Notation.MARIADB if self.lexis.escapes else Notation.MARIADB_PLAIN

    @property
    def newer_than_known(self) -> bool:
        """Whether a server newer than any known wrote the script."""
        version = major_version(self.notes.version)
        return self.lexis.engine is Engine.POSTGRESQL and (version or 0) > NEWEST_POSTGRESQL

    def is_line_comment(self, data: bytes, position: int) -> bool:
        """Whether two dashes at `position` begin a comment for this engine."""
        after = data[position : position + 3]
        return after[:2] == b"--" and (not self.lexis.is_mariadb or after[2:].isspace() or not after[2:])

    def set_encoding(self, name: str) -> None:
        """Take on a character set that the script names."""
        if self.notes.encoding is None or self.notes.encoding == name:
            self.notes.encoding = name
        else:
            self.notes.encoding = "mixed"
        codec = codec_of(name, self.lexis.is_mariadb)
        if codec is not None:
            self.lexis = self.lexis.changed(encoding=codec)

    def connect(self, database: str) -> None:
        """Another database from here on."""
        self.database = database
        self.notes.database(database)
        if self.lexis.engine is Engine.POSTGRESQL:
            self.schema = "public"

    def after_comment(self, line: str) -> None:
        """Comments say the engine and, in MariaDB's scripts, the database."""
        if self.notes.engine and self.lexis.is_mariadb and self.notes.engine is not self.lexis.engine:
            self.lexis = self.lexis.changed(engine=self.notes.engine)
        if self.lexis.is_mariadb and self.database is None and len(self.notes.databases) == 1:
            self.database = self.notes.databases[0]
        if match := _CURRENT_DATABASE.match(line):
            self.notes.database(match[1])
            self.notes.several = True

    def after_statement(self, entry: Entry) -> None:
        """Follow a statement that was just read."""
        if self.notes.transaction == "announced" and entry.kind not in {Kind.SETTING, Kind.TRANSACTION}:
            self.notes.transaction = ""  # SQLite's own scripts begin a transaction first
        if entry.kind == Kind.USE:
            self.connect(entry.name.name)
        elif entry.kind == Kind.TRANSACTION and self.lexis.engine is Engine.SQLITE:
            self._transaction(entry.definition.split(None, 1)[0].strip(b"; ").lower())
        elif entry.kind == Kind.ROLLBACK:
            self.notes.transaction = "rollback"
        elif entry.kind in {Kind.SETTING, Kind.ACTION}:
            self._setting(entry.definition)

    def _transaction(self, first: bytes) -> None:
        """SQLite's own scripts are one transaction, whose end is the end of the script."""
        if first in {b"commit", b"end"}:
            self.notes.transaction = "commit" if self.notes.transaction == "begin" else "commit only"
        elif first == b"begin":
            self.notes.transaction = "begin"

    def _setting(self, text: bytes) -> None:
        if self.lexis.is_mariadb:
            self._mariadb_setting(text)
        elif match := _CLIENT_ENCODING.match(text):
            self.set_encoding(match[1].decode("ascii", "replace"))
        elif match := _STRINGS.match(text):
            self.lexis = self.lexis.changed(escapes=match[1].lower() in {b"off", b"false", b"0"})
        elif match := _SEARCH_PATH.match(text):
            self.schema = match[1].decode("utf-8", "replace")
        elif text.strip() == b"PRAGMA foreign_keys=OFF;" and not self.notes.transaction:
            self.notes.transaction = "announced"

    def _mariadb_setting(self, text: bytes) -> None:
        upper = text.upper()
        if b"@OLD_SQL_NOTES=@@SQL_NOTES" in upper:
            self.notes.settings_saved = True
        if b"SQL_NOTES=@OLD_SQL_NOTES" in upper:
            self.notes.settings_restored = True
        if match := _NAMES.search(text):
            self.set_encoding(match[1].decode("ascii", "replace"))
        if match := _SQL_MODE.search(text):
            mode = set((match[1] or match[2] or match[3] or b"").upper().split(b","))
            self._saved_lexis.append(self.lexis)
            self.lexis = self.lexis.changed(
                escapes=b"NO_BACKSLASH_ESCAPES" not in mode,
                ansi_quotes=bool({b"ANSI_QUOTES", b"ANSI"} & mode),
            )
        elif _RESTORED_MODE.search(text) and self._saved_lexis:
            saved = self._saved_lexis.pop()
            self.lexis = self.lexis.changed(escapes=saved.escapes, ansi_quotes=saved.ansi_quotes)

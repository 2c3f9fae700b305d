"""Tells SQLite database files, and opens them."""

from __future__ import annotations

from pathlib import Path

from sospes.formats.form import Head, Reader, Stored, Want, Words
from sospes.formats.sqlite.reader import NAME, SqliteReader
from sospes.model.findings import Finding

_MAGIC = b"SQLite format 3\0"


class _DatabaseFile:
    """A database file, read by the engine itself."""

    name = NAME
    many = False
    words = Words(title="database file", whole="yes, it is as long as its header says", cut_off="no")

    def recognise(self, head: Head) -> bool:
        """Whether it begins as the engine's documentation says."""
        return head.plain.startswith(_MAGIC)

    def is_folder(self, path: Path) -> bool:
        """Never."""
        return False

    def open(self, stored: Stored, want: Want) -> Reader | Finding:
        """A reader; nothing is looked at before it is asked."""
        return SqliteReader(stored, want)


DATABASE_FILE = _DatabaseFile()

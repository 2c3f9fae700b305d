"""Tells scripts, and opens them."""

from __future__ import annotations

from pathlib import Path

from sospes.formats.form import Head, Reader, Stored, Want, Words
from sospes.formats.script.reader import NAME, ScriptReader
from sospes.model.findings import Finding
from sospes.sql.recognising import has_statements, is_text, likely_lexis


class _Script:
    """SQL text as backup programs write it, or people; it has no mark of its own, only its words."""

    name = NAME
    many = False
    words = Words(
        title="SQL script",
        whole="yes, the closing line is there",
        cut_off="no, the closing line is missing",
        unknown_packed="unknown: the end of compressed data shows only when all is read",
    )

    def recognise(self, head: Head) -> bool:
        """Whether it is text, and a statement or the first line of a backup program is among it."""
        return is_text(head.plain) and has_statements(head.plain)

    def is_folder(self, path: Path) -> bool:
        """Never."""
        return False

    def open(self, stored: Stored, want: Want) -> Reader | Finding:
        """A reader in the words of the engine that the head's words are most likely of."""
        return ScriptReader(stored, likely_lexis(stored.head.plain), want.rows)


SCRIPT = _Script()

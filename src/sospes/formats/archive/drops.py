"""What an archive has run when a restore is asked to clean up first: one statement for each entry, which drops it.

Sospes never runs them; whoever restores the archive by the server's own program may. Each has few forms.
"""

from __future__ import annotations

from collections.abc import Iterator

from sospes.sql.judging.reach import reach_of
from sospes.sql.lexis import Lexis, Unfinished, past_comments, statement_end
from sospes.sql.phrase import Phrase


def strange_drop(kind: str, text: bytes, lexis: Lexis) -> str:
    """What the text of an entry of that kind does besides dropping something; empty for one that only drops."""
    for statement in _statements(text, lexis):
        phrase = Phrase(statement, lexis)
        if reach := reach_of(phrase):
            return reach
        if not _drops(phrase) or (kind != "DATABASE" and phrase.take("drop", "database")):
            return f"drops nothing: {statement[:80].decode('utf-8', 'replace')}"
    return ""


def _statements(text: bytes, lexis: Lexis) -> Iterator[bytes]:
    position = past_comments(text, 0, lexis)
    while position < len(text):
        try:
            end, _ = statement_end(text, position, lexis)
        except Unfinished:
            end = len(text)
        yield text[position:end]
        position = past_comments(text, end, lexis)


def _drops(phrase: Phrase) -> bool:
    """Whether a statement takes something away, or, of what other views need, leaves a view without rows."""
    words = [token.word for token in phrase.tokens]
    if phrase.word() == "drop":
        return True
    if phrase.word() == "select":
        return "lo_unlink" in words[:6] and words.count("(") == 1
    if phrase.word() == "create":
        return words[1:4] == ["or", "replace", "view"] and "from" not in words
    if phrase.word() == "update":
        return "pg_database" in words[:5] and "datistemplate" in words
    return phrase.word() == "alter" and bool({"drop", "detach", "disable", "no"} & set(words))

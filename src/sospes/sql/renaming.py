"""The table that a statement is about, called otherwise; whatever else the statement says stays as it is."""

from __future__ import annotations

from collections.abc import Callable

from sospes.model.entries import Entry
from sospes.model.kinds import Kind
from sospes.sql.lexis import Lexis
from sospes.sql.phrase import Phrase

_BEFORE = {
    Kind.TABLE: "table", Kind.CONSTRAINT: "table", Kind.DEFAULT: "table", Kind.IDENTITY: "table",
    Kind.TABLE_SETTING: "table", Kind.INDEX: "on", Kind.TRIGGER: "on", Kind.DATA: "into",
}  # fmt: skip
"""The word that stands before the table's name, by the kind of statement."""

_BETWEEN = ("if", "not", "exists", "only")


def renamed(entry: Entry, lexis: Lexis, new: str, quote: Callable[[str], str]) -> bytes:
    """The statement of `entry` about a table called `new`, in its schema. Raises ValueError where it names none."""
    return renamed_text(entry.definition, entry.kind, lexis, new, quote)


def renamed_text(statement: bytes, kind: Kind, lexis: Lexis, new: str, quote: Callable[[str], str]) -> bytes:
    """A statement of some kind, about a table called `new`. Raises ValueError where no table's name is found in it."""
    phrase = Phrase(statement, lexis)
    marker = _BEFORE.get(kind, "")
    places = [index for index, token in enumerate(phrase.tokens) if token.kind == "word" and token.word == marker]
    if not places:
        raise ValueError(f"{kind}: names no table")
    phrase.position = places[0] + 1
    while phrase.word() in _BETWEEN:
        phrase.position += 1
    if not phrase.parts():
        raise ValueError(f"{kind}: names no table")
    last = phrase.tokens[phrase.position - 1]
    # Its schema or database before a dot stays.
    return statement[: last.start] + quote(new).encode(lexis.encoding) + statement[last.end :]


def outer_words(statement: bytes, lexis: Lexis) -> list[str]:
    """The words and marks of a statement that stand in no parentheses, in small letters."""
    found, depth = [], 0
    for token in Phrase(statement, lexis).tokens:
        depth -= token.word == ")"
        if depth == 0 and token.word:
            found.append(token.word)
        depth += token.word == "("
    return found


def without_item(statement: bytes, text: bytes) -> bytes:
    """A table's definition without one of its items, the comma before it as well."""
    begin = statement.find(text)
    if begin < 0:
        return statement
    before = statement[:begin].rstrip()
    if before.endswith(b","):
        return before[:-1] + statement[begin + len(text) :]
    behind = statement[begin + len(text) :].lstrip()
    return statement[:begin] + behind.removeprefix(b",")

"""A cursor over the tokens of one statement."""

from __future__ import annotations

from collections.abc import Sequence

from sospes.model.entries import Engine, Name
from sospes.sql.characters import said_in
from sospes.sql.lexis import Lexis, Token, tokens

END = Token("end", "", -1, -1)


class Phrase:
    """Steps through a statement's tokens; words compare in lower case."""

    def __init__(self, statement: bytes, lexis: Lexis, limit: int | None = None) -> None:
        self.statement = statement
        self.lexis = lexis
        self.tokens: Sequence[Token] = list(tokens(statement, lexis, limit))
        self.position = 0

    @property
    def token(self) -> Token:
        """The token at the cursor; a token of kind 'end' behind the last."""
        return self.tokens[self.position] if self.position < len(self.tokens) else END

    def word(self, ahead: int = 0) -> str:
        """The word or mark at the cursor in lower case; empty for names, strings and the end."""
        index = self.position + ahead
        return self.tokens[index].word if index < len(self.tokens) else ""

    def take(self, *words: str) -> bool:
        """Step over the words if they come next, all of them."""
        at = self.position
        for word in words:
            if at >= len(self.tokens) or self.tokens[at].word != word:
                return False
            at += 1
        self.position = at
        return True

    def take_any(self, words: frozenset[str]) -> str:
        """Step over one word of the set; its text, or empty."""
        found = self.word()
        if found in words:
            self.position += 1
            return found
        return ""

    def identifier(self) -> str:
        """Step over a name; empty if none is there. SQLite also takes strings for names."""
        token = self.token
        if token.kind in {"word", "name"}:
            self.position += 1
            return token.text
        if token.kind == "string" and self.lexis.engine is Engine.SQLITE:
            self.position += 1
            return token.text[1:-1].replace("''", "'")
        return ""

    def parts(self) -> list[str]:
        """Step over a name with dots; its parts."""
        found = [self.identifier()]
        while self.word() == "." and found[-1]:
            self.position += 1
            found.append(self.identifier())
        return [part for part in found if part]

    def name(self, database: str | None, schema: str | None) -> Name:
        """Step over a qualified name; what it leaves out comes from the arguments."""
        return qualified(self.parts(), self.lexis, database, schema)

    def group(self) -> tuple[int, int]:
        """Step over `( ... )`; the range of token indexes inside. (0, 0) if no parenthesis comes next."""
        if self.word() != "(":
            return 0, 0
        self.position += 1
        start = self.position
        depth = 1
        while self.position < len(self.tokens):
            word = self.word()
            self.position += 1
            depth += (word == "(") - (word == ")")
            if depth == 0:
                return start, self.position - 1
        return start, self.position

    def text(self, start: int, end: int) -> str:
        """The statement's own text for a range of token indexes."""
        if start >= end:
            return ""
        raw = self.statement[self.tokens[start].start : self.tokens[end - 1].end]
        return said_in(raw, self.lexis.encoding)

    def items(self, start: int, end: int) -> list[tuple[int, int]]:
        """Split a range of token indexes at its commas of the outermost level."""
        found = []
        depth = 0
        begin = start
        for index in range(start, end):
            token = self.tokens[index]
            if token.kind != "mark":
                continue
            # Braces and brackets hold commas of their own: of array literals, and of set types.
            depth += (token.text in "([{") - (token.text in ")]}")
            if token.text == "," and depth == 0:
                found.append((begin, index))
                begin = index + 1
        if begin < end:
            found.append((begin, end))
        return found


def qualified(parts: list[str], lexis: Lexis, database: str | None, schema: str | None) -> Name:
    """A name from its written parts, the rest from where the script stands."""
    last = parts[-1] if parts else ""
    # A dot means a schema with PostgreSQL and a database with MariaDB, where a schema is a database.
    if lexis.engine is Engine.POSTGRESQL:
        return Name(database, parts[-2] if len(parts) > 1 else schema, last)
    if lexis.is_mariadb:
        return Name(parts[-2] if len(parts) > 1 else database, None, last)
    return Name(None, None, last)

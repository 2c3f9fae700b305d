"""What of a PostgreSQL backup's statements is left out on a side copy: tablespaces, which are folders of a server."""

from __future__ import annotations

from sospes.model.entries import Engine, Entry
from sospes.model.kinds import Kind
from sospes.sql.lexis import Lexis
from sospes.sql.phrase import Phrase

_LAID_OUT = frozenset(
    {Kind.TABLE, Kind.INDEX, Kind.CONSTRAINT, Kind.MATERIALIZED_VIEW, Kind.TABLE_SETTING, Kind.ALTERATION, Kind.SETTING}
)
_LAST = frozenset({"as", "where"})
"""Words behind which a query or a condition stands, whose columns may be called anything."""


def at_home(entry: Entry) -> bytes:
    """An entry's statement without what says where on a server it is to lie; empty where it says nothing else."""
    statement = entry.definition
    if entry.kind not in _LAID_OUT or b"tablespace" not in statement.lower():
        return statement
    phrase = Phrase(statement, Lexis(Engine.POSTGRESQL))
    tokens = phrase.tokens
    if entry.kind == Kind.SETTING:
        named = {token.text.lower() for token in tokens[1:7]}
        names_one = named & {"default_tablespace", "temp_tablespaces"} and "''" not in named
        return b"" if names_one else statement
    depth = 0
    for index, token in enumerate(tokens[:-1]):
        depth += (token.word == "(") - (token.word == ")")
        following = tokens[index + 1]
        if depth == 0 and token.word in _LAST:
            break
        if depth or token.word != "tablespace" or following.kind not in {"name", "word"}:
            continue
        before = [one.word for one in tokens[max(index - 2, 0) : index]]
        if phrase.word() == "alter" and before[-1:] == ["set"]:
            return b""
        begin = tokens[index - 2] if before == ["using", "index"] else token
        return statement[: begin.start] + statement[following.end :]
    return statement

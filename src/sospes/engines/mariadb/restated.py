"""What of a MariaDB backup's statements is said otherwise on a side copy: definers, events, folders outside of it."""

from __future__ import annotations

import re
from dataclasses import dataclass

from sospes.model.entries import Engine, Entry
from sospes.model.kinds import Kind
from sospes.sql.lexis import Lexis, Token
from sospes.sql.phrase import Phrase

_DEFINER = re.compile(rb"\bDEFINER\s*=\s*(`(?:[^`]|``)*`|'[^']*'|\w+)\s*@\s*(`(?:[^`]|``)*`|'[^']*'|[\w.%]+)", re.I)
_HEAD = 400
"""Bytes at the beginning of a statement where its definer stands."""

_DEFINED = frozenset(
    {Kind.VIEW, Kind.TRIGGER, Kind.EVENT, Kind.FUNCTION, Kind.PROCEDURE, Kind.PACKAGE, Kind.PACKAGE_BODY}
)
_LAID_OUT = frozenset({Kind.TABLE, Kind.TABLE_SETTING})
_STATES = frozenset({"enable", "disable", "comment", "do"})
_ELSEWHERE = frozenset({"federated", "federatedx", "connect", "spider", "s3"})
"""Storage engines whose tables lie on other servers, or in any files."""


@dataclass(slots=True)
class Restated:
    """Restates statements, and counts what was changed: definers, events, folders."""

    definers: int = 0
    events: int = 0
    folders: int = 0

    def statement(self, entry: Entry, *, runs_events: bool) -> bytes:
        """An entry's statement as it is run: with the connection's user as definer, and all data at home.

        Other definers may not exist here, or may do more; other folders are none of a side copy's. Where the server
        runs events, they are made switched off.
        """
        statement = entry.definition.strip().removesuffix(entry.delimiter)
        if entry.kind in _DEFINED:
            statement, count = with_definer(statement, b"DEFINER=CURRENT_USER")
            self.definers += count
        elif entry.kind in _LAID_OUT:
            statement, count = at_home(statement)
            self.folders += count
        if entry.kind == Kind.EVENT and runs_events:
            self.events += 1
            return switched_off(statement)
        return statement


def definer_of(statement: bytes) -> bytes | None:
    """Who a definition is run as, in its own words."""
    found = _DEFINER.search(statement[:_HEAD])
    return found[0] if found else None


def with_definer(statement: bytes, definer: bytes) -> tuple[bytes, int]:
    """A definition with another definer, where it says one; how many were changed."""
    head, count = _DEFINER.subn(lambda _: definer, statement[:_HEAD], count=1)
    return head + statement[_HEAD:], count


def _tokens(statement: bytes) -> list[Token]:
    return list(Phrase(statement, Lexis(Engine.MARIADB, escapes=True)).tokens)


def switched_off(statement: bytes) -> bytes:
    """A CREATE EVENT that makes the same event switched off."""
    depth, scheduled = 0, False
    for token in _tokens(statement):
        depth += (token.word == "(") - (token.word == ")")
        scheduled = scheduled or token.word == "schedule"
        if scheduled and depth == 0 and token.word in _STATES:
            behind = token.end if token.word in {"enable", "disable"} else token.start
            return statement[: token.start] + b"DISABLE " + statement[behind:]
    return statement


def at_home(statement: bytes) -> tuple[bytes, int]:
    """A table's definition without the folders that its data or indexes are to lie in; how many were left out."""
    if b"directory" not in statement.lower():
        return statement, 0
    tokens = _tokens(statement)
    cuts = []
    for index, token in enumerate(tokens[:-2]):
        if token.word not in {"data", "index"} or tokens[index + 1].word != "directory":
            continue
        path = tokens[index + 2 + (tokens[index + 2].word == "=")] if index + 3 < len(tokens) else tokens[-1]
        before = tokens[index - 1] if index else token
        if path.kind == "string":
            cuts.append((before.start if before.word == "," else token.start, path.end))
    for begin, end in reversed(cuts):
        statement = statement[:begin] + statement[end:]
    return statement, len(cuts)


def engine_elsewhere(statement: bytes) -> str:
    """The storage engine of a table's definition, if its tables lie elsewhere; else empty."""
    tokens = _tokens(statement)
    for index, token in enumerate(tokens[:-1]):
        if token.word in {"engine", "type"}:
            named = tokens[index + 1 + (tokens[index + 1].word == "=")] if index + 2 < len(tokens) else tokens[-1]
            name = named.text.strip("'\"").lower()
            if name in _ELSEWHERE:
                return name
    return ""

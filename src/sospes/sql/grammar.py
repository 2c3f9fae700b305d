"""What the columns and constraints of CREATE TABLE look like, as engines take them.

A definition is folded first: a string becomes S, a quoted name N, a number #, a group in parentheses P; words stay. The
folded text is held against the grammar. Expressions (defaults, checks) are free text, and not judged.

Of SQLite's definitions the engine itself is asked, which is always at hand.

Sources: PostgreSQL documentation, "CREATE TABLE"; MariaDB Knowledge Base, "CREATE TABLE", "Data Types".
"""

from __future__ import annotations

import re
import sqlite3
from contextlib import closing
from functools import cache

from sospes.model.entries import Engine
from sospes.sql.definitions import is_constraint
from sospes.sql.lexis import Lexis, Token
from sospes.sql.phrase import Phrase

NAME = r"(?:N|[^\W\d][\w$]*)"
QUALIFIED = rf"{NAME}(?: \. {NAME}){{0,2}}"

_POSTGRESQL_TYPE = (
    r"(?:double precision|(?:national )?char(?:acter)?(?: varying)?|bit varying|"
    r"(?:time|timestamp)(?: P)? with(?:out)? time zone|interval(?: (?:year|month|day|hour|minute|second)"
    r"(?: to (?:month|hour|minute|second))?)?|with options|"
    rf"{QUALIFIED})(?: P)?(?: array)?(?: \[(?: #)? \])*"
)
_REFERENCE = (
    rf"references {QUALIFIED}(?: P)?(?: match (?:full|partial|simple))?"
    r"(?: on (?:delete|update) (?:cascade|restrict|no action|set null|set default)(?: P)?)*"
)
_TIMING = r"(?: (?:not )?deferrable| initially (?:deferred|immediate)| not valid| no inherit| (?:not )?enforced)*"
_POSTGRESQL_OPTION = (
    rf"(?:collate {QUALIFIED}|(?:constraint {NAME} )?not null{_TIMING}|null|default .+|"
    r"generated (?:always|by default) as (?:identity(?: P)?|P(?: stored| virtual)?)|"
    rf"(?:constraint {NAME} )?(?:check P|unique(?: nulls (?:not )?distinct)?|primary key|{_REFERENCE})"
    rf"(?: with P)?{_TIMING}|"
    rf"options P|storage {NAME}|compression {NAME})"
)
_POSTGRESQL_CONSTRAINT = (
    rf"(?:constraint {NAME} )?(?:check P|primary key P.*|unique(?: nulls (?:not )?distinct)? P.*|"
    rf"foreign key P {_REFERENCE}|exclude(?: using {NAME})? P.*|not null {NAME})"
    rf"{_TIMING}|like {QUALIFIED}.*"
)
_MARIADB_TYPE = (
    r"(?:(?:tiny|small|medium|big)?int(?:eger)?|bool(?:ean)?|int[1-8]|serial|decimal|dec|numeric|fixed|number|float[48]?|"
    r"double(?: precision)?|real|bit|date|time|datetime|timestamp|year|"
    r"(?:national )?(?:var)?char(?:acter)?(?: varying)?|"
    r"nchar|nvarchar|(?:var)?binary|(?:tiny|medium|long)?(?:blob|text)|enum|set|json|uuid|inet[46]|vector|xmltype|"
    r"geometry|(?:multi)?(?:point|linestring|polygon)|geometrycollection|geomcollection)"
    r"(?: P)?(?: unsigned| signed| zerofill| binary| ascii| unicode| byte)*"
)
_MARIADB_OPTION = (
    rf"(?:char(?:acter )?set (?:binary|{NAME}|S)|charset {NAME}|collate (?:{NAME}|S)|not null|null|default .+|"
    r"on update (?:current_timestamp|now|localtime|localtimestamp)(?: P)?|auto_increment|comment S|invisible|visible|"
    rf"compressed(?: = {NAME})?|(?:generated always )?as (?:P(?: virtual| persistent| stored)?|row (?:start|end))|"
    rf"(?:constraint(?: {NAME})? )?check P|(?:unique|primary)(?: key)?|key|(?:with|without) system versioning|"
    rf"ref_system_id = #|srid #|{_REFERENCE}|(?:storage|column_format) {NAME}|(?:not )?enforced|"
    rf"{NAME} = (?:S|#|{NAME}))"
)
_MARIADB_CONSTRAINT = (
    rf"(?:constraint(?: {NAME})? )?(?:check P(?: (?:not )?enforced)?|primary key(?: {NAME})*(?: P.*)?|"
    rf"unique(?: (?:key|index))?(?: {NAME})*(?: P.*)?|"
    rf"foreign key(?: {NAME})? P {_REFERENCE})|"
    rf"(?:fulltext|spatial|vector)?(?: ?(?:key|index)).*|period for {NAME} P"
)


_COLUMNS = {
    Engine.POSTGRESQL: (_POSTGRESQL_TYPE, _POSTGRESQL_OPTION),
    Engine.MARIADB: (_MARIADB_TYPE, _MARIADB_OPTION),
}
_CONSTRAINTS = {Engine.POSTGRESQL: _POSTGRESQL_CONSTRAINT, Engine.MARIADB: _MARIADB_CONSTRAINT}


@cache
def _pattern(engine: Engine, constraint: bool) -> re.Pattern[str]:
    """The grammar of an item of a table's body, compiled for the engine that is met."""
    if constraint:
        return re.compile(_CONSTRAINTS[engine], re.DOTALL)
    kind, option = _COLUMNS[engine]
    return re.compile(rf"(?:{NAME}|S)(?: {kind})?(?: {option})*", re.DOTALL)


_MODIFIER = re.compile(r"[\w\s,.'\"+-]*")
"""What stands in the parentheses behind a type: sizes, words, labels."""


def strange_items(phrase: Phrase, start: int, end: int) -> str:
    """The text of the first item of a table's body that is none the engine knows; empty if all are known."""
    if phrase.lexis.engine is Engine.SQLITE:
        return refused_by_sqlite(phrase.text(0, len(phrase.tokens)))
    for first, last in phrase.items(start, end):
        phrase.position = first
        strange = strange_item(phrase, first, last, constraint=is_constraint(phrase, last))
        if strange:
            return strange
    return ""


def refused_by_sqlite(statement: str) -> str:
    """What the engine says of a definition that it can't read; it is tried in memory, and taken back."""
    with closing(sqlite3.connect(":memory:", isolation_level=None)) as connection:
        try:
            connection.execute(statement)
        except sqlite3.OperationalError as error:
            return f"{error}: {' '.join(statement.split())[:60]}" if _SYNTAX.search(str(error)) else ""
        except (sqlite3.Error, sqlite3.Warning, UnicodeEncodeError):
            return ""
    return ""


_SYNTAX = re.compile(
    r"syntax error|unrecognized token|unknown datatype|incomplete input|unknown table option|^no such column: \w+$"
)


def strange_item(phrase: Phrase, first: int, last: int, *, constraint: bool) -> str:
    """The text of one item of a table's body if it is none that the engine knows; empty if it is one."""
    folded, groups = folded_item(phrase, first, last)
    pattern = _pattern(phrase.lexis.engine.family, constraint)
    if pattern.fullmatch(folded) is None or (not constraint and _bad_size(folded, groups)):
        return " ".join(phrase.text(first, last).split())[:80]
    return ""


def _bad_size(folded: str, groups: list[str]) -> bool:
    """Whether the parentheses behind a type hold anything but sizes and words."""
    sized = re.match(r"\S+ [^P]*?P", folded)
    if sized is None or not groups or re.search(r"\b(?:default|check|as|references|constraint)\b", sized[0]):
        return False
    return _MODIFIER.fullmatch(_STRINGS.sub("", groups[0])) is None


_STRINGS = re.compile(r"'(?:[^'\\]|''|\\.)*'", re.DOTALL)


def folded_item(phrase: Phrase, first: int, last: int) -> tuple[str, list[str]]:
    """The tokens from `first` to `last` with strings, names, numbers and groups folded, and the texts of its groups."""
    parts: list[str] = []
    groups: list[str] = []
    index = first
    while index < last:
        token = phrase.tokens[index]
        if token.kind == "mark" and token.text == "(":
            phrase.position = index
            start, end = phrase.group()
            groups.append(phrase.text(start, end))
            parts.append("P")
            index = phrase.position
            continue
        parts.append(_fold(token, phrase.lexis))
        index += 1
    return " ".join(parts), groups


def _fold(token: Token, lexis: Lexis) -> str:
    if token.kind == "name":
        return "N"
    if token.kind == "string":
        return "S"
    if token.kind == "number":
        return "#"
    return token.text.lower() if token.kind == "word" else token.text

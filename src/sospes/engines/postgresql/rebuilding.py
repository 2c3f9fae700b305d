"""Statements that an administrator runs, built anew from the words of the backup's own.

The backup's text is never run by an administrator. A statement is read into its words; only where these have one of
the forms below, with names and strings in the places for names and strings, is it written again, its strings so that
they read the same whatever the settings are. What has no such form, because it holds something to be worked out or
reaches for the server itself, is left to a restorer without rights.

Sources: PostgreSQL documentation, "SQL Commands", and the statements that its dump programs write.
"""

from __future__ import annotations

import re
from functools import cache

from sospes.model.entries import Engine, Entry
from sospes.model.kinds import Kind
from sospes.sql.lexis import Lexis, Token, tokens

NAME = r"(?:N|[a-z_\x80-\U0010ffff][\w$]*)"
QUALIFIED = rf"{NAME}(?: \. {NAME}){{0,2}}"
_WORD = rf"(?:{NAME}|\.|\[|\]|#|\*)"
_GROUP = rf"\( (?:(?:{_WORD}|,|\( (?:(?:{_WORD}|,) )*\)) )*\)"
_IDENTITY = rf"(?:{_WORD}|,|{_GROUP})(?: (?:{_WORD}|,|{_GROUP}))*"
"""Names, types and arguments: no string and no other mark, so nothing that could be worked out."""

_TYPE = rf"{_WORD}(?: {_WORD})*(?: {_GROUP}(?: {_WORD})*)?"
_MARKS = r"(?:[-+*/<>=~!@#%^&|`?]+)(?: [-+*/<>=~!@#%^&|`?]+)*"
_OPERATOR = rf"(?:operator \( {QUALIFIED} \. {_MARKS} \)|(?:{NAME} \. )*{_MARKS})"
_PARTS = rf"{NAME} = {QUALIFIED}(?: , {NAME} = {QUALIFIED})*"
_OPTIONS = rf"options \( {NAME} S(?: , {NAME} S)* \)"
_SETTING = rf"{NAME} = (?:S|#|{NAME})"
_RIGHT = rf"(?:select|insert|update|delete|truncate|references|trigger|usage|create|execute|maintain)(?: {_GROUP})?"
_RIGHTS = rf"(?:all(?: privileges)?(?: {_GROUP})?|{_RIGHT}(?: , {_RIGHT})*)"
_RIGHTS_ON = (
    r"(?:table|sequence|function|procedure|routine|schema|type|domain|language|large object|"
    r"foreign data wrapper|foreign server)"
)
_OBJECT = rf"(?:{QUALIFIED}(?: {_GROUP})?|#)"
_MANY = "tables|sequences|functions|routines|types|schemas|large objects"
_TO = rf"(?:to|from) (?:group )?{NAME}(?: , (?:group )?{NAME})*"
_END = rf"(?: with grant option)?(?: granted by {NAME})?(?: cascade| restrict)?"
_TYPE_PART = rf"{NAME}(?: = (?:S|#|{QUALIFIED}(?: {NAME})*))?"
_TRAIT = (
    r"(?:immutable|stable|volatile|strict|window|(?:not )?leakproof|parallel (?:safe|restricted|unsafe)|cost #|rows #|"
    rf"support {QUALIFIED})"
)
_MEMBER = (
    rf"(?:operator # {_OPERATOR}(?: {_GROUP})?(?: for (?:search|order by {QUALIFIED}))?|"
    rf"function #(?: {_GROUP})? {QUALIFIED} {_GROUP}|storage {_TYPE})"
)
_OWNED = (
    "aggregate|collation|conversion|domain|event trigger|foreign data wrapper|foreign table|function|large object|"
    "materialized view|operator|operator class|operator family|procedural language|language|procedure|publication|"
    "routine|schema|sequence|server|statistics|table|text search configuration|text search dictionary|type|view|index"
)
_COMMENTED = (
    "access method|aggregate|cast|collation|column|constraint|conversion|domain|extension|event trigger|"
    "foreign data wrapper|foreign table|function|index|large object|materialized view|operator|operator class|"
    "operator family|policy|procedural language|language|procedure|publication|routine|rule|schema|sequence|server|"
    "statistics|table|text search configuration|text search dictionary|text search parser|text search template|"
    "transform for|trigger|type|view"
)
_FORMS = {
    "comment": rf"comment on (?:{_COMMENTED}) (?:{_IDENTITY}|{_OPERATOR}(?: {_GROUP})?) is (?:S|null)",
    "ownership": rf"alter (?:{_OWNED}) (?:only )?(?:{_IDENTITY}|{_OPERATOR} {_GROUP}) owner to {NAME}",
    "grant": (
        rf"(?:alter default privileges(?: for role {NAME})?(?: in schema {NAME})? )?"
        rf"(?:grant|revoke)(?: grant option for)? {_RIGHTS} on (?:(?:{_RIGHTS_ON}|{_MANY}) )?"
        rf"(?:{_OBJECT}(?: , {_OBJECT})* )?{_TO}{_END}"
    ),
    "extension": rf"create extension(?: if not exists)? {NAME}(?: with)?(?: schema {NAME})?(?: version (?:S|{NAME}))?",
    "publication": (
        rf"create publication {NAME} for (?:all tables|tables in schema {NAME}(?: , {NAME})*)"
        rf"(?: with \( {_SETTING}(?: , {_SETTING})* \))?"
    ),
    "alteration": (
        rf"alter (?:publication {NAME} add tables in schema {NAME}(?: , {NAME})*|"
        rf"operator family {QUALIFIED} using {NAME} add {_MEMBER}(?: , {_MEMBER})*)"
    ),
    "cast": (
        rf"create cast \( {_TYPE} as {_TYPE} \) "
        rf"(?:with function {QUALIFIED} {_GROUP}|without function|with inout)(?: as (?:assignment|implicit))?"
    ),
    "transform": (
        rf"create transform for {_TYPE} language {NAME} \( "
        rf"(?:(?:from|to) sql with function {QUALIFIED} {_GROUP}(?: , )?){{1,2}} ?\)"
    ),
    "server": (
        rf"create server {NAME}(?: type S)?(?: version S)? foreign data wrapper {NAME}(?: {_OPTIONS})?"
    ),
    "user mapping": rf"create user mapping for {NAME} server {NAME}(?: {_OPTIONS})?",
    "foreign data wrapper": (
        rf"create foreign data wrapper {NAME}(?: handler {QUALIFIED})?(?: validator {QUALIFIED})?(?: {_OPTIONS})?"
    ),
    "operator class": (
        rf"create operator class {QUALIFIED}(?: default)? for type {_TYPE} using {NAME}(?: family {QUALIFIED})? as "
        rf"{_MEMBER}(?: , {_MEMBER})*"
    ),
    "operator family": rf"create operator family {QUALIFIED} using {NAME}",
    "text search parser": rf"create text search parser {QUALIFIED} \( {_PARTS} \)",
    "text search template": rf"create text search template {QUALIFIED} \( {_PARTS} \)",
    "access method": rf"create access method {NAME} type (?:index|table) handler {QUALIFIED}",
    "type": rf"create type {QUALIFIED}(?: \( {_TYPE_PART}(?: , {_TYPE_PART})* \))?",
    "function": (
        rf"create (?:or replace )?function {QUALIFIED} {_GROUP} returns (?:setof )?{_TYPE} language (?:internal|c)"
        rf"(?: {_TRAIT})* as S(?: , S)?"
    ),
    "setting": rf"set (?:session )?(?:client_encoding|search_path|xmloption) (?:=|to) (?:S|{NAME})(?: , (?:S|{NAME}))*",
    "event trigger": (
        rf"create event trigger {NAME} on {NAME}(?: when tag in \( S(?: , S)* \))? "
        rf"execute (?:function|procedure) {QUALIFIED} \( \)"
    ),
}  # fmt: skip
_ESCAPES = {"b": "\b", "f": "\f", "n": "\n", "r": "\r", "t": "\t"}
_ESCAPED = re.compile(r"\\(.)", re.S)
_UNTOLD = re.compile(r"\\[0-7xuU]")
_MARK = re.compile(r"[-+*/<>=~!@#%^&|`?]+")
_MOST_WORDS = 5_000
_LIBRARY = re.compile(r"\$libdir/[\w.-]*\w")
_SYMBOL = re.compile(r"\w+|" + _LIBRARY.pattern)


def rebuilt(entry: Entry) -> bytes | None:
    """The statement of `entry` written anew, in its own encoding; None where it has none of the forms."""
    form = _form(entry.kind)
    if form is None:
        return None
    lexis = Lexis(Engine.POSTGRESQL, encoding=entry.encoding)
    found = list(tokens(entry.definition, lexis))
    if found and found[-1].word == ";":
        found.pop()
    folded = " ".join(_folded(before, token) for before, token in zip([None, *found], found, strict=False))
    if len(found) > _MOST_WORDS or form.fullmatch(folded) is None:
        return None
    if entry.kind == Kind.FUNCTION and not _is_installed(entry.definition, found):
        return None
    text = b""
    for before, token in zip([None, *found], found, strict=False):
        written = _written(entry.definition, token)
        if written is None:
            return None
        text += written if _joined(before, token) else b" " + written
    return text.strip()


@cache
def _form(kind: str) -> re.Pattern[str] | None:
    form = _FORMS.get(kind)
    return None if form is None else re.compile(form, re.S)


def _folded(before: Token | None, token: Token) -> str:
    """What a token is for the forms: N a quoted name, S a string, # a number; words and marks are themselves."""
    if token.kind == "name" and before is not None and before.word == "language" and token.text in {"c", "internal"}:
        return token.text
    return {"name": "N", "string": "S", "number": "#"}.get(token.kind, token.word)


def _is_installed(statement: bytes, words: list[Token]) -> bool:
    """Whether a function's code is the server's own, or in a library that is installed with the server."""
    texts = [_said(statement[word.start : word.end]) or "" for word in words if word.kind == "string"]
    return all(map(_LIBRARY.fullmatch, texts[:-1])) and _SYMBOL.fullmatch(texts[-1]) is not None


def _joined(before: Token | None, token: Token) -> bool:
    """Whether two marks stood side by side, and so are one operator."""
    return (
        before is not None
        and before.end == token.start
        and _MARK.fullmatch(before.word) is not None
        and _MARK.fullmatch(token.word) is not None
    )


def _written(statement: bytes, token: Token) -> bytes | None:
    """A token as it is written anew; None for a string whose value is not sure."""
    raw = statement[token.start : token.end]
    if token.kind != "string":
        return raw  # a quoted name has its quotes doubled already, or it would have ended before
    value = _said(raw)
    if value is None:
        return None
    quoted = value.replace("'", "''")
    written = "E'" + quoted.replace("\\", "\\\\") + "'" if "\\" in quoted else f"'{quoted}'"
    return written.encode("latin-1")


def _said(raw: bytes) -> str | None:
    """What a string says, its bytes as characters; None for one with characters by number."""
    text = raw.decode("latin-1")
    if text[:1] == "$":
        return text[text.index("$", 1) + 1 : text.rindex("$", 0, -1)]
    if text[:1] in "eE":
        inner = text[2:-1].replace("''", "'")
        return None if _UNTOLD.search(inner) else _ESCAPED.sub(lambda found: _ESCAPES.get(found[1], found[1]), inner)
    return text[1:-1].replace("''", "'")

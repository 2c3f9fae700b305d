"""Whether a definition is of the thing that the backup's own heading announces.

A heading and its statement are written from the same catalog, but not in the same words: names lose their line ends
in a heading, views in a loop come as the rule `_RETURN`, all identifiers may be quoted, people edit scripts. So the
two are held against each other only where the heading can be read in one way, and only names that differ in a single
bit are called damaged: no writer makes such a pair, and a flipped bit does.
"""

from __future__ import annotations

import re
from dataclasses import dataclass

from sospes.model.entries import Entry, Name
from sospes.model.findings import Finding, Place, doubt, fault, note

_ANNOUNCED = {
    "TABLE": "table", "FOREIGN TABLE": "foreign table", "VIEW": "view", "MATERIALIZED VIEW": "materialized view",
    "SEQUENCE": "sequence", "INDEX": "index", "TYPE": "type", "DOMAIN": "domain", "SCHEMA": "schema",
    "EXTENSION": "extension", "CONSTRAINT": "constraint", "FK CONSTRAINT": "constraint", "TRIGGER": "trigger",
    "FUNCTION": "function", "PROCEDURE": "procedure", "AGGREGATE": "aggregate", "RULE": "rule", "POLICY": "policy",
}  # fmt: skip
_WITH_TABLE = frozenset({"CONSTRAINT", "FK CONSTRAINT", "TRIGGER", "RULE", "POLICY"})
_WITH_ARGUMENTS = frozenset({"FUNCTION", "PROCEDURE", "AGGREGATE"})
_MAY_BE_BARE = frozenset({"SCHEMA", "EXTENSION"})
"""What a writer, or a person who edits a script, leaves without a statement."""
_WITHOUT_SCHEMA = frozenset({"SCHEMA", "EXTENSION", "TRIGGER", "RULE", "POLICY"})
KNOWN = frozenset(_ANNOUNCED) | frozenset(
    (
        "TABLE DATA|SEQUENCE SET|SEQUENCE OWNED BY|DEFAULT|ACL|ACL LANGUAGE|DEFAULT ACL|COMMENT|BLOB|BLOBS|"
        "BLOB METADATA|BLOB COMMENTS|ENCODING|STDSTRINGS|SEARCHPATH|DATABASE|DATABASE PROPERTIES|"
        "CHECK CONSTRAINT|TABLE ATTACH|INDEX ATTACH|SHELL TYPE|CAST|COLLATION|CONVERSION|"
        "EVENT TRIGGER|FOREIGN DATA WRAPPER|SERVER|USER MAPPING|LANGUAGE|PROCEDURAL LANGUAGE|"
        "OPERATOR|OPERATOR CLASS|OPERATOR FAMILY|ACCESS METHOD|PUBLICATION|PUBLICATION TABLE|"
        "PUBLICATION TABLES IN SCHEMA|SUBSCRIPTION|SUBSCRIPTION TABLE|STATISTICS|STATISTICS DATA|"
        "EXTENDED STATISTICS DATA|SECURITY LABEL|TRANSFORM|TEXT SEARCH CONFIGURATION|"
        "TEXT SEARCH DICTIONARY|TEXT SEARCH PARSER|TEXT SEARCH TEMPLATE|ROW SECURITY|"
        "MATERIALIZED VIEW DATA|NOT NULL CONSTRAINT|TABLESPACE|ROLE|ROLE PROPERTIES|LARGE OBJECT|pg_largeobject"
    ).split("|")
)
"""The kinds that backup programs of servers 12 to 18 announce."""

_HEADING = re.compile(r"-- (?:Data for )?Name: ")
_KIND = re.compile(r"; Type: ([A-Z][A-Z ]*); Schema: ")
_OWNER = re.compile(r"; Owner:")


@dataclass(frozen=True, slots=True)
class Announced:
    """What a heading says of the definition below it: its kind, its name with what belongs to it, its schema.

    owner  whom it says that the definition belongs to
    sure   the heading can be read in this way only; names may hold what looks like its other parts
    """

    kind: str
    tag: str
    schema: str | None
    sure: bool = True
    owner: str = ""


def announced_in(line: str) -> Announced | None:
    """What a heading among a script's comments announces; None for any other comment."""
    begin = _HEADING.match(line)
    if begin is None:
        return None
    kinds = list(_KIND.finditer(line, begin.end()))
    if not kinds:
        return None
    last = kinds[-1]
    owner = _OWNER.search(line, last.end())
    if owner is None:
        return None
    sure = len(kinds) == 1 and _OWNER.search(line, owner.end()) is None
    whose = line[owner.end() :].split("; Tablespace: ", maxsplit=1)[0].strip()
    return Announced(last[1], line[begin.end() : last.start()], line[last.end() : owner.start()], sure, whose)


def statement_missing(announced: Announced | None) -> Finding | None:
    """A doubt if a definition was announced and none came before the next announcement or the end."""
    if announced is None or announced.kind not in _ANNOUNCED or announced.kind in _MAY_BE_BARE or not announced.sure:
        return None
    return doubt(
        "statement-missing",
        f"{announced.kind.lower()} {announced.tag} is announced, and its statement is not there",
        "a part of the backup is missing, or somebody took it out; compare with another copy",
        Place(),
    )


def disagreement(announced: Announced, entry: Entry) -> Finding | None:
    """A finding if the definition is of another name than was announced; None if they agree or can't tell."""
    if not announced.sure or _ANNOUNCED.get(announced.kind) != entry.kind or _same_name(announced, entry.name):
        return None
    return _otherwise(announced, entry.name, f"{entry.kind} {entry.name.label}")


def owner_disagreement(announced: Announced, entry: Entry, owner: str) -> Finding | None:
    """A fault if what was announced is given to another owner, whose name differs in a single bit."""
    if not announced.sure or not one_bit_apart(announced.owner, in_heading(owner)):
        return None
    return fault(
        "announced-otherwise",
        f"{announced.kind.lower()} {announced.tag} is announced as {announced.owner}'s, and given to {owner}",
        "a name in one of the two is damaged: the server refuses it if nobody is called so; compare with another copy",
        Place(plain_from=entry.plain_from, plain_to=entry.plain_to, line=entry.line),
    )


def rows_disagreement(announced: Announced, table: Name) -> Finding | None:
    """The same for rows."""
    if announced.kind != "TABLE DATA" or not announced.sure or _same_name(announced, table):
        return None
    return _otherwise(announced, table, f"rows of {table.label}")


def _otherwise(announced: Announced, name: Name, found: str) -> Finding:
    message = f"{announced.kind.lower()} {announced.tag} is announced, and {found} follows"
    if _one_bit_from(announced, name):
        return fault("announced-otherwise", message, "a name in one of the two is damaged; compare with another copy")
    return note("announced-otherwise", message, "if nobody edited the backup, compare with another copy")


def _one_bit_from(announced: Announced, name: Name) -> bool:
    own, schema = in_heading(name.name), in_heading(name.schema or "")
    tag = announced.tag
    if announced.kind in _WITH_ARGUMENTS:
        tag = tag[: len(own)] if tag[len(own) : len(own) + 1] == "(" else tag
    elif announced.kind in _WITH_TABLE:
        tag = tag[-len(own) :] if tag[-len(own) - 1 : -len(own)] == " " else tag
    if tag == own:
        return announced.kind not in _WITHOUT_SCHEMA and one_bit_apart(announced.schema or "", schema)
    return one_bit_apart(tag, own)


def one_bit_apart(one: str, other: str) -> bool:
    """Whether two texts that should be the same differ in a single bit of a single letter."""
    unlike = [(a, b) for a, b in zip(one, other, strict=False) if a != b]
    return len(one) == len(other) and len(unlike) == 1 and (ord(unlike[0][0]) ^ ord(unlike[0][1])).bit_count() == 1


def _same_name(announced: Announced, name: Name) -> bool:
    tag = announced.tag
    own = in_heading(name.name)
    if announced.kind in _WITH_ARGUMENTS:
        same = tag.startswith(f"{own}(")
    elif announced.kind in _WITH_TABLE:
        same = tag.endswith(f" {own}")
    else:
        same = tag == own
    if announced.kind in _WITHOUT_SCHEMA or announced.schema in {None, "-"} or name.schema is None:
        return same
    return same and announced.schema == in_heading(name.schema)


def in_heading(name: str) -> str:
    """A name as headings have it: on one line."""
    return name.replace("\n", " ").replace("\r", " ")

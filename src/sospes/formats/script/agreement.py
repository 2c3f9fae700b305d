"""Whether a definition is of the thing that the backup's own heading announces. If not, one of the two is damaged."""

from __future__ import annotations

from dataclasses import dataclass

from sospes.model.entries import Entry, Name
from sospes.model.findings import Finding, Place, fault

_ANNOUNCED = {
    "TABLE": "table", "FOREIGN TABLE": "foreign table", "VIEW": "view", "MATERIALIZED VIEW": "materialized view",
    "SEQUENCE": "sequence", "INDEX": "index", "TYPE": "type", "DOMAIN": "domain", "SCHEMA": "schema",
    "EXTENSION": "extension", "CONSTRAINT": "constraint", "FK CONSTRAINT": "constraint", "TRIGGER": "trigger",
    "FUNCTION": "function", "PROCEDURE": "procedure", "AGGREGATE": "aggregate", "RULE": "rule", "POLICY": "policy",
}  # fmt: skip
_WITH_TABLE = frozenset({"CONSTRAINT", "FK CONSTRAINT", "TRIGGER", "RULE", "POLICY"})
_WITH_ARGUMENTS = frozenset({"FUNCTION", "PROCEDURE", "AGGREGATE"})
_MAY_BE_BARE = frozenset({"SCHEMA"})
_WITHOUT_SCHEMA = frozenset({"SCHEMA", "EXTENSION", "TRIGGER", "RULE", "POLICY"})
KNOWN = frozenset(_ANNOUNCED) | frozenset(
    (
        "TABLE DATA|SEQUENCE SET|SEQUENCE OWNED BY|DEFAULT|ACL|DEFAULT ACL|COMMENT|BLOB|BLOBS|"
        "BLOB METADATA|BLOB COMMENTS|ENCODING|STDSTRINGS|SEARCHPATH|DATABASE|DATABASE PROPERTIES|"
        "CHECK CONSTRAINT|TABLE ATTACH|INDEX ATTACH|SHELL TYPE|CAST|COLLATION|CONVERSION|"
        "EVENT TRIGGER|FOREIGN DATA WRAPPER|SERVER|USER MAPPING|LANGUAGE|PROCEDURAL LANGUAGE|"
        "OPERATOR|OPERATOR CLASS|OPERATOR FAMILY|ACCESS METHOD|PUBLICATION|PUBLICATION TABLE|"
        "PUBLICATION TABLES IN SCHEMA|SUBSCRIPTION|SUBSCRIPTION TABLE|STATISTICS|STATISTICS DATA|"
        "EXTENDED STATISTICS DATA|SECURITY LABEL|TRANSFORM|TEXT SEARCH CONFIGURATION|"
        "TEXT SEARCH DICTIONARY|TEXT SEARCH PARSER|TEXT SEARCH TEMPLATE|ROW SECURITY|"
        "MATERIALIZED VIEW DATA|NOT NULL CONSTRAINT|TABLESPACE|ROLE|pg_largeobject"
    ).split("|")
)
"""The kinds that backup programs of servers 12 to 18 announce."""


@dataclass(frozen=True, slots=True)
class Announced:
    """What a heading says of the definition below it: its kind, its name with what belongs to it, its schema."""

    kind: str
    tag: str
    schema: str | None


def statement_missing(announced: Announced | None) -> Finding | None:
    """A fault if a definition was announced and none came before the next announcement or the end."""
    if announced is None or announced.kind not in _ANNOUNCED or announced.kind in _MAY_BE_BARE:
        return None
    return fault(
        "statement-missing",
        f"{announced.kind.lower()} {announced.tag} is announced, and its statement is not there",
        "a part of the backup is missing; compare with another copy",
        Place(),
    )


def disagreement(announced: Announced, entry: Entry) -> Finding | None:
    """A fault if the definition is of another kind or name than was announced; None if they agree or can't tell."""
    expected = _ANNOUNCED.get(announced.kind)
    if expected == "constraint" and entry.kind == "table setting":
        return _fault(announced, f"another change of {entry.name.label}")
    if expected is None or entry.kind not in set(_ANNOUNCED.values()):
        return None
    if entry.kind == expected and _same_name(announced, entry.name):
        return None
    if announced.kind == "SEQUENCE" and entry.kind == "table":
        return None
    if announced.kind == "INDEX" and entry.kind == "constraint":
        return None
    return _fault(announced, f"{entry.kind} {entry.name.label}")


def rows_disagreement(announced: Announced, table: Name) -> Finding | None:
    """The same for rows."""
    if announced.kind != "TABLE DATA" or _same_name(announced, table):
        return None
    return _fault(announced, f"rows of {table.label}")


def _fault(announced: Announced, found: str) -> Finding:
    return fault(
        "announced-otherwise",
        f"{announced.kind.lower()} {announced.tag} is announced, and {found} follows",
        "a name in one of the two is damaged; compare with another copy",
        Place(),
    )


def _same_name(announced: Announced, name: Name) -> bool:
    tag = announced.tag
    own = " ".join(name.name.splitlines())
    if announced.kind in _WITH_ARGUMENTS:
        same = tag.startswith(f"{own}(")
    elif announced.kind in _WITH_TABLE:
        same = tag.endswith(f" {own}")
    else:
        same = tag == own
    if announced.kind in _WITHOUT_SCHEMA or announced.schema in {None, "-"} or name.schema is None:
        return same
    return same and announced.schema == " ".join(name.schema.splitlines())

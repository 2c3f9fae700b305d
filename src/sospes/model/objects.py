"""Objects of a database other than rows: what a backup defines, what a server has, and where the two differ."""

from __future__ import annotations

import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from sospes.model.entries import joined


@dataclass(frozen=True, slots=True, order=True)
class ObjectKey:
    """What tells an object from all others. Parts that a kind doesn't have are empty.

    kind   'table', 'column', 'index', 'constraint', 'view', 'function', 'trigger', 'grant', ...
    about  the table that it belongs to, or the role that a grant is for
    """

    kind: str
    schema: str
    name: str
    about: str = ""

    @property
    def label(self) -> str:
        """As people say it: `trigger touch on rescue.station`."""
        if self.kind in {"column", "default"}:
            return f"{self.kind} {joined(self.schema, self.about, self.name)}"
        name = joined(self.schema if not self.about else "", self.name)
        if self.kind == "grant":
            return f"grant on {joined(self.schema, self.name)} to {self.about}"
        table = joined(self.schema, self.about)
        return f"{self.kind} {name}" + (f" on {table}" if self.about else "")


@dataclass(frozen=True, slots=True)
class DatabaseObject:
    """How an object is defined.

    texts       parts of its definition that can be compared, without layout; empty where only its presence can be
    statements  what makes it, where the backup has that
    whole       the texts are whole statements, of which a catalog has the end
    """

    texts: tuple[str, ...] = ()
    statements: tuple[bytes, ...] = ()
    whole: bool = False


Objects = Mapping[ObjectKey, DatabaseObject]


@dataclass(frozen=True, slots=True)
class Unlike:
    """An object that one side lacks, or has otherwise. `state` is 'only-left', 'only-right' or 'changed'."""

    key: ObjectKey
    state: str


def plain(text: str) -> str:
    """A definition without its layout: one blank for each run of white space, no closing semicolon."""
    return " ".join(text.split()).rstrip("; ")


_ALIASES = {
    "int": "integer", "int4": "integer", "int8": "bigint", "int2": "smallint", "serial": "integer",
    "bigserial": "bigint", "smallserial": "smallint", "bool": "boolean", "float8": "double precision",
    "float4": "real", "decimal": "numeric", "varchar": "character varying", "char": "character",
    "bpchar": "character", "timestamptz": "timestamp with time zone", "timetz": "time with time zone",
    "dec": "numeric", "double": "double precision",
}  # fmt: skip
_FIRST = re.compile(r"[a-z][a-z0-9]*")
_WIDTH = re.compile(r"\b(integer|bigint|smallint|mediumint|tinyint|year)\(\d+\)")
_ZONE = re.compile(r"\b(timestamp|time)(\(\d+\))?(?=$|\[| not)")


def settled_type(text: str) -> str:
    """A column's type in one spelling: without aliases, display widths, and blanks behind commas."""
    found = plain(text).replace(", ", ",")
    found = _FIRST.sub(lambda match: _ALIASES.get(match[0], match[0]), found, count=1)
    return _ZONE.sub(r"\1\2 without time zone", _WIDTH.sub(r"\1", found))


_QUOTED = re.compile(r'"((?:[^"]|"")*)"')
_PLAIN_NAME = re.compile(r"[^\W\d][\w$]*")


def settled_name(text: str) -> str:
    """A name with its quotes where they are needed and nowhere else: a backup may quote all of them."""
    return _QUOTED.sub(lambda match: match[1] if _PLAIN_NAME.fullmatch(match[1]) else match[0], text)


def unlike_objects(left: Objects, right: Objects) -> Iterator[Unlike]:
    """The objects that differ, by kind and name. What belongs to a missing table is not told apart from it."""
    gone = {(key.schema, key.name) for key in left.keys() ^ right.keys() if key.kind == "table"}
    for key in sorted(left.keys() | right.keys()):
        if key.kind != "table" and (key.schema, key.about) in gone:
            continue
        if key not in right:
            yield Unlike(key, "only-left")
        elif key not in left:
            yield Unlike(key, "only-right")
        elif not _alike(left[key], right[key]):
            yield Unlike(key, "changed")


def _alike(left: DatabaseObject, right: DatabaseObject) -> bool:
    """Whether two definitions agree as far as both are known; routines of one name are compared as a set."""
    if not left.texts or not right.texts:
        return True
    one, other = map(settled_name, left.texts), map(settled_name, right.texts)
    if left.whole == right.whole:
        return sorted(one) == sorted(other)
    whole, parts = (list(one), list(other)) if left.whole else (list(other), list(one))
    return all(any(text.endswith(part) for text in whole) for part in parts)

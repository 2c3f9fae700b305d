"""Which check belongs to a column: from its type's words, and from what the backup itself defines."""

from __future__ import annotations

import re
from dataclasses import dataclass, field

from sospes.engines.registry import dialect_of
from sospes.model.entries import Column, Engine, Entry, Name
from sospes.model.kinds import Kind
from sospes.model.types import base_type
from sospes.rows.typed import kinds
from sospes.rows.typed.kinds import Kind as ValueKind

_DIMENSIONS = re.compile(r"(?:\s*\[\s*\d*\s*\])+$|\s+array[\s\[\]\d]*$", re.I)
"""What makes a type an array; names in quotes may hold brackets themselves."""

_ARGUMENTS = re.compile(r"\(\s*(-?\d+)\s*(?:,\s*(-?\d+)\s*)?\)")
_LIST = re.compile(r"\((.*)\)", re.S)
_DOMAIN = re.compile(r"\sas\s+(.*?)(?=\s(?:default|not|null|constraint|check|collate)\b|;|$)", re.I | re.S)
_ENUMERATION = re.compile(r"\sas\s+enum\s*\((.*)\)", re.I | re.S)
_WORD = re.compile(r"'((?:[^']|'')*)'")
_POSTGRESQL_INTEGERS = {
    "smallint": 16, "int2": 16, "smallserial": 16, "serial2": 16, "integer": 32, "int": 32, "int4": 32, "serial": 32,
    "serial4": 32, "bigint": 64, "int8": 64, "bigserial": 64, "serial8": 64,
}  # fmt: skip
_MARIADB_INTEGERS = {
    "tinyint": 8, "bool": 8, "boolean": 8, "int1": 8, "smallint": 16, "int2": 16, "mediumint": 24, "int3": 24,
    "int": 32, "integer": 32, "int4": 32, "bigint": 64, "int8": 64,
}  # fmt: skip
_UNCHECKED = frozenset(
    "text bpchar name money xml tsvector tsquery point line lseg box path polygon circle int4range int8range "
    "numrange tsrange tstzrange daterange int4multirange int8multirange nummultirange tsmultirange tstzmultirange "
    "datemultirange jsonpath pg_snapshot txid_snapshot regclass regproc regtype regrole regnamespace regoper "
    "regoperator regprocedure regconfig regdictionary regcollation refcursor xid xid8 cid tid record aclitem "
    "anyarray unknown oidvector int2vector pg_node_tree cstring".split()
)
_SIMPLE = {
    "boolean": kinds.BOOLEAN, "bool": kinds.BOOLEAN, "real": kinds.FLOAT, "float4": kinds.FLOAT,
    "float8": kinds.FLOAT, "double precision": kinds.FLOAT, "float": kinds.FLOAT, "uuid": kinds.UUID,
    "json": kinds.JSON, "jsonb": kinds.JSON, "date": kinds.date(), "inet": kinds.ADDRESS, "cidr": kinds.ADDRESS,
    "macaddr": kinds.HARDWARE, "macaddr8": kinds.HARDWARE, "pg_lsn": kinds.WORD, "interval": kinds.INTERVAL,
    "oid": kinds.integer(0, 2**32 - 1),
}  # fmt: skip


_TYPES = frozenset({Kind.TYPE, Kind.DOMAIN, Kind.TABLE, Kind.VIEW, Kind.MATERIALIZED_VIEW, Kind.FOREIGN_TABLE})
"""What gives its name to a type; each table has a type of its rows."""

LEARNT = _TYPES | {Kind.EXTENSION}
"""The kinds of definitions that are looked at."""


@dataclass(frozen=True, slots=True)
class Planned:
    """The check of a column; without one `reason` says why, and `unknown` that no such type is known."""

    kind: ValueKind | None
    reason: str = ""
    unknown: bool = False


@dataclass(slots=True)
class Definitions:
    """Types that the backup defines: enumerations with their members, domains with what they stand for."""

    engine: Engine
    encoding: str = "utf-8"
    members: dict[str, frozenset[bytes]] = field(default_factory=dict)
    domains: dict[str, str] = field(default_factory=dict)
    others: set[str] = field(default_factory=set)
    extensions: bool = False

    def take(self, entry: Entry) -> None:
        """Learn of one definition."""
        if entry.kind == Kind.EXTENSION:
            self.extensions = True
        if entry.kind not in _TYPES:
            return
        text = entry.definition.decode(self.encoding, "replace")
        key = _key(entry.name)
        self.others.add(key)
        if entry.kind == Kind.DOMAIN and (found := _DOMAIN.search(text)):
            self.domains[key] = found[1]
        if entry.kind == Kind.TYPE and (found := _ENUMERATION.search(text)):
            self.members[key] = self._words(found[1])

    def _words(self, text: str) -> frozenset[bytes]:
        """The quoted words of a list."""
        return frozenset(word.replace("''", "'").encode(self.encoding, "replace") for word in _WORD.findall(text))

    def planned(self, column: Column, copy: bool) -> Planned:
        """The check for a column; `copy` says that its values are COPY text rather than literals."""
        dialect = dialect_of(self.engine)
        if not dialect.typed:
            return Planned(None, f"{dialect.title} columns take values of any type")
        return self._postgresql(column.type, copy, depth=0) if dialect.has_schemas else self._mariadb(column)

    def _postgresql(self, text: str, copy: bool, depth: int) -> Planned:
        lowered = text.strip().lower()
        base = base_type(lowered).removeprefix("pg_catalog.").strip('"')
        bare = _DIMENSIONS.sub("", text.strip())
        if bare != text.strip():
            element = self._postgresql(bare, copy=False, depth=depth)
            return Planned(None, element.reason, True) if element.unknown else Planned(kinds.array_of(element.kind))
        arguments = _ARGUMENTS.search(lowered)
        first = int(arguments[1]) if arguments else None
        second = int(arguments[2]) if arguments and arguments[2] else 0
        if base in _POSTGRESQL_INTEGERS:
            half = 1 << (_POSTGRESQL_INTEGERS[base] - 1)
            return Planned(kinds.integer(-half, half - 1))
        if base in {"numeric", "decimal", "dec"}:
            return Planned(kinds.decimal(first, second))
        if base == "bytea":
            return Planned(kinds.BYTES_COPY if copy else kinds.BYTES_LITERAL)
        if base.startswith(("timestamp", "time")):
            zone = "with time zone" in lowered or base.endswith("tz")
            return Planned(kinds.timestamp(zone) if base.startswith("timestamp") else kinds.time(zone))
        if base.startswith(("character", "char", "varchar", "bpchar")):
            return Planned(kinds.up_to(first, self.encoding)) if first else Planned(None, "text of any length")
        if base.startswith("bit"):
            return Planned(kinds.bits(None if "varying" in base else first or 1)) if copy else Planned(None, "bits")
        if base == "varbit":
            return Planned(kinds.bits(None))
        if base.startswith("interval"):
            return Planned(kinds.INTERVAL)
        if base in _SIMPLE:
            return Planned(_SIMPLE[base])
        if base.split(".")[-1] in _UNCHECKED:
            return Planned(
                None, "text of any form" if base in {"text", "name"} else f"values of {base} are not looked into"
            )
        return self._defined(text, copy, depth)

    def _defined(self, text: str, copy: bool, depth: int) -> Planned:
        key = _written_key(text)
        if key in self.members:
            return Planned(kinds.members(self.members[key]))
        if key in self.domains and depth < 8:
            return self._postgresql(self.domains[key], copy, depth + 1)
        if key in self.others:
            return Planned(None, "a type of the backup's own")
        return Planned(None, f"the type {text} is not known", unknown=not self.extensions)

    def _mariadb(self, column: Column) -> Planned:
        lowered = column.type.strip().lower()
        base = base_type(lowered).split(" ")[0]
        arguments = _ARGUMENTS.search(lowered)
        first = int(arguments[1]) if arguments else None
        second = int(arguments[2]) if arguments and arguments[2] else 0
        if base in _MARIADB_INTEGERS:
            size = _MARIADB_INTEGERS[base]
            unsigned = "unsigned" in lowered or "zerofill" in lowered
            low, high = (0, (1 << size) - 1) if unsigned else (-(1 << (size - 1)), (1 << (size - 1)) - 1)
            return Planned(kinds.integer(low, high))
        if base in {"decimal", "numeric", "dec", "fixed"}:
            return Planned(kinds.decimal(first or 10, second))
        if base in {"enum", "set"}:
            listed = _LIST.search(column.type)
            words = frozenset(
                word.replace("''", "'").encode(self.encoding, "replace")
                for word in _WORD.findall(listed[1] if listed else "")
            )
            # a value that was refused without strict mode is held as empty text
            return Planned(kinds.members(words | {b""}) if base == "enum" else kinds.member_sets(words))
        if base in {"char", "varchar", "nchar", "nvarchar", "character"} and first is not None:
            return Planned(kinds.up_to(first, self.encoding))
        found = {
            "float": kinds.FLOAT, "double": kinds.FLOAT, "real": kinds.FLOAT, "year": kinds.YEAR, "time": kinds.SPAN,
            "date": kinds.date(zero_allowed=True), "datetime": kinds.timestamp(False, zero_allowed=True),
            "timestamp": kinds.timestamp(False, zero_allowed=True), "uuid": kinds.UUID, "inet6": kinds.ADDRESS,
            "inet4": kinds.ADDRESS,
        }.get(base)  # fmt: skip
        return Planned(found) if found else Planned(None, f"values of {base} are not looked into")


def _key(name: Name) -> str:
    return f"{name.schema or 'public'}.{name.name}"


def _written_key(text: str) -> str:
    """The name of a type as a column names it, with its schema."""
    parts = [part.replace('""', '"').strip('"') if part.startswith('"') else part.lower() for part in _parts(text)]
    return ".".join(parts) if len(parts) > 1 else f"public.{parts[0] if parts else ''}"


def _parts(text: str) -> list[str]:
    return re.findall(r'"(?:[^"]|"")*"|[^."\s()]+', re.sub(r"\(.*$", "", text.strip(), flags=re.S))

"""The objects that a backup defines, in words that can be held against a server's catalog or another backup."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass, field

import xxhash

from sospes.model.entries import Constraint, ConstraintKind, Engine, Entry, Name
from sospes.model.events import LargeObjectPart
from sospes.model.objects import DatabaseObject, ObjectKey, plain, settled_name, settled_type
from sospes.rows.decoding import bytea

_PRESENT = frozenset({"schema", "extension", "domain", "sequence", "policy", "event trigger", "foreign table"})
_BY_TEXT = frozenset({"index", "trigger", "rule"})
_ROUTINES = frozenset({"function", "procedure", "aggregate"})
_BODIES = frozenset({"function", "procedure", "trigger", "event"})
_DOLLARS = re.compile(r"\bAS (\$[^$]*\$)(.*?)\1", re.DOTALL)
_QUOTED = re.compile(r"\bAS '((?:[^']|'')*)'")
_LABELS = re.compile(r"\bAS ENUM \((.*)\)", re.DOTALL)
_QUERY = re.compile(r"\sAS\n(.*)", re.DOTALL)
_BEHIND = re.compile(r"\s+WITH (NO DATA|DATA|(LOCAL |CASCADED )?CHECK OPTION)$")
_COMMENT = re.compile(r"COMMENT ON ((?:[A-Z]+ )+)(.+?) IS '((?:[^']|'')*)'$", re.DOTALL)
_GRANT = re.compile(
    r'GRANT (.+?) ON (TABLE|SEQUENCE|SCHEMA|FUNCTION|PROCEDURE) (.+) TO ("(?:[^"]|"")+"|\S+?)( WITH GRANT OPTION)?$',
    re.DOTALL,
)
_RIGHT = re.compile(r"([A-Z ]+?)(?:\((.+?)\))?(?:, ?|$)")
_OWNER = re.compile(
    r"ALTER (?:TABLE|SEQUENCE|VIEW|MATERIALIZED VIEW|SCHEMA|TYPE|DOMAIN) (.+) OWNER TO (.+)$", re.DOTALL
)
_PARTS = re.compile(r'"((?:[^"]|"")+)"|([^".]+)')
_MARIADB_COMMENT = re.compile(r"^\s*`((?:[^`]|``)+)` .*\bCOMMENT '((?:[^'\\]|''|\\.)*)',?$")
_TABLE_COMMENT = re.compile(r"^\).*\bCOMMENT='((?:[^'\\]|''|\\.)*)'")
_MARIADB_QUERY = re.compile(r"\sAS\s+(.+?)(?:\s+WITH (?:CASCADED |LOCAL )?CHECK OPTION)?\s*(?:\*/)?$", re.DOTALL)
_DEFAULT = re.compile(r"\bSET DEFAULT (.+)$", re.DOTALL)
_OPENED = re.compile(rb"\blo_open\s*\(")
_WRITTEN = re.compile(rb"\blowrite\s*\(\s*\d+\s*,\s*E?'([^']*)'")
_OWN_COMMENT = ("schema", "public", "standard public schema")
_NAMED = re.compile(r'CONSTRAINT ("(?:[^"]|"")+"|\S+) ')


@dataclass(slots=True)
class BackupObjects:
    """Takes in entries; `found` has the objects, by database.

    unnamed   tables with a constraint that the server would name by itself
    children  tables that inherit; which of their columns' defaults are their own is not told apart
    """

    found: dict[str | None, dict[ObjectKey, DatabaseObject]] = field(default_factory=dict)
    unnamed: set[tuple[str, str]] = field(default_factory=set)
    children: set[tuple[str, str]] = field(default_factory=set)
    _digests: dict[tuple[str | None, str], xxhash.xxh3_128] = field(default_factory=dict)
    _open: str = ""

    def take(self, entry: Entry, engine: Engine) -> None:
        """Take in one entry."""
        known = self.found.setdefault(entry.name.database, {})
        if entry.kind == "large object data":
            self._take_statement(entry)
        if entry.kind == "table" and entry.parents:
            self.children.add((entry.name.schema or "", entry.name.name))
        for key, item in _objects(entry, engine):
            if key.kind != "default" or (key.schema, key.about) not in self.children:
                known[key] = _together(known.get(key), item, entry, engine)
        if entry.kind == "view":
            known.pop(ObjectKey("table", entry.name.schema or "", entry.name.name), None)
        if any(
            not constraint.name and constraint.kind is not ConstraintKind.PRIMARY for constraint in entry.constraints
        ):
            about = entry.about or entry.name
            self.unnamed.add((about.schema or "", about.name))

    def take_part(self, part: LargeObjectPart) -> None:
        """Take in bytes of a large object of an archive."""
        self._add_bytes(None, str(part.number), part.data)

    def _take_statement(self, entry: Entry) -> None:
        """Take in a statement of a script about the data of a large object."""
        if _OPENED.search(entry.definition):
            self._open = entry.name.name
            self._add_bytes(entry.name.database, self._open, b"")
        elif (written := _WRITTEN.search(entry.definition)) and self._open:
            self._add_bytes(entry.name.database, self._open, bytea(written[1].decode("ascii", "replace")))

    def _add_bytes(self, database: str | None, number: str, data: bytes) -> None:
        digest = self._digests.setdefault((database, number), xxhash.xxh3_128())
        digest.update(data)
        found = self.found.setdefault(database, {})
        found[ObjectKey("large object", "", number)] = DatabaseObject((digest.hexdigest(),))


def _together(before: DatabaseObject | None, item: DatabaseObject, entry: Entry, engine: Engine) -> DatabaseObject:
    """Routines of one name, and rights of one role, are one object; anything else takes the earlier one's place."""
    if before is None:
        return item
    if entry.kind in _ROUTINES and engine is Engine.POSTGRESQL:
        return DatabaseObject((*before.texts, *item.texts), (*before.statements, *item.statements))
    if entry.kind == "grant":
        return DatabaseObject(_joined(before.texts, item.texts), (*before.statements, *item.statements))
    return item


def _objects(entry: Entry, engine: Engine) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    if entry.kind == "table":
        yield from _table(entry, engine)
    elif engine is Engine.POSTGRESQL:
        yield from _postgresql(entry)
    elif entry.kind in {"view", "trigger", "event", "function", "procedure", "sequence", "index"}:
        yield from _other(entry, engine)


def _table(entry: Entry, engine: Engine) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    schema, table = entry.name.schema or "", entry.name.name
    yield ObjectKey("table", schema, table), DatabaseObject()
    for column in entry.columns:
        kind = settled_type(column.type if engine is Engine.POSTGRESQL else column.type.lower())
        text = kind + (" not null" if column.not_null else "")
        yield ObjectKey("column", schema, column.name, table), DatabaseObject((text,))
        if column.default and engine is Engine.POSTGRESQL and not column.generated:
            yield ObjectKey("default", schema, column.name, table), DatabaseObject((plain(column.default),))
    for constraint in entry.constraints:
        yield from _constraint(constraint, entry, engine)
    if engine.family is Engine.MARIADB:
        yield from _mariadb_comments(entry)


def _constraint(constraint: Constraint, entry: Entry, engine: Engine) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    about = entry.about or entry.name
    schema, table = about.schema or "", about.name
    statements = (entry.definition,)
    if entry.kind == "table":
        statements = (_added(about, constraint, engine),)
    if engine is Engine.POSTGRESQL:
        if constraint.name:
            text = _NAMED.sub("", constraint.text, count=1)
            yield ObjectKey("constraint", schema, constraint.name, table), DatabaseObject((plain(text),), statements)
    elif engine in {Engine.MARIADB, Engine.MYSQL}:
        if constraint.kind in {ConstraintKind.INDEX, ConstraintKind.UNIQUE, ConstraintKind.PRIMARY}:
            name = "PRIMARY" if constraint.kind is ConstraintKind.PRIMARY else constraint.name
            unique = constraint.kind is not ConstraintKind.INDEX
            text = plain(("unique " if unique else "") + f"({', '.join(constraint.columns)})")
            made = DatabaseObject((text,) if constraint.columns else (), statements)
            yield ObjectKey("index", "", name, table), made
        elif constraint.name:
            target = constraint.references.name if constraint.references else ""
            found = DatabaseObject((target,) if target else (), statements)
            yield ObjectKey("constraint", "", constraint.name, table), found


def _added(table: Name, constraint: Constraint, engine: Engine) -> bytes:
    """The statement that would add a constraint which stands in its table's definition."""
    mark = '"' if engine is Engine.POSTGRESQL else "`"
    parts = (table.schema, table.name) if engine is Engine.POSTGRESQL else (table.name,)
    label = ".".join(mark + part.replace(mark, mark * 2) + mark for part in parts if part)
    return f"ALTER TABLE {label} ADD {constraint.text.rstrip('; ')}".encode()


def _postgresql(entry: Entry) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    schema, name = entry.name.schema or "", entry.name.name
    text = entry.text.strip().rstrip(";").rstrip()
    made = (entry.definition,)
    about = entry.about.name if entry.about else ""
    if entry.kind in _PRESENT:
        on_table = entry.kind == "policy"
        if (entry.kind, name) not in {("schema", "public"), ("extension", "plpgsql")}:
            owner = entry.about.schema or "" if on_table and entry.about else schema
            free = entry.kind in {"schema", "extension", "event trigger"}
            yield (
                ObjectKey(entry.kind, "" if free else owner, name, about if on_table else ""),
                DatabaseObject((), made),
            )
    elif entry.kind in _BY_TEXT and entry.about is not None:
        yield ObjectKey(entry.kind, entry.about.schema or "", name, about), DatabaseObject((plain(text),), made)
    elif entry.kind == "constraint":
        for constraint in entry.constraints:
            yield from _constraint(constraint, entry, Engine.POSTGRESQL)
    elif entry.kind in {"view", "materialized view"}:
        query = _QUERY.search(_BEHIND.sub("", text))
        yield ObjectKey(entry.kind, schema, name), DatabaseObject((plain(query[1]),) if query else (), made)
    elif entry.kind in _ROUTINES:
        yield ObjectKey(entry.kind, schema, name), DatabaseObject(_body(text), made)
    elif entry.kind == "type":
        labels = _LABELS.search(text)
        yield ObjectKey("type", schema, name), DatabaseObject((plain(labels[1]),) if labels else (), made)
    elif entry.kind == "default" and entry.about is not None:
        value = _DEFAULT.search(text)
        found = DatabaseObject((plain(value[1]),) if value else ())
        yield ObjectKey("default", entry.about.schema or "", name, about), found
    elif entry.kind == "comment":
        yield from _comment(text)
    elif entry.kind == "grant":
        yield from _grant(text, made)
    elif entry.kind == "role" and text.upper().startswith("CREATE"):
        yield ObjectKey("role", "", name), DatabaseObject((), made)
    elif entry.kind == "ownership" and (given := _OWNER.match(text)):
        owned, role = _parts(given[1]), _parts(given[2])
        yield ObjectKey("owner", owned[0] if len(owned) > 1 else "", owned[-1]), DatabaseObject((role[-1],), made)


def _parts(name: str) -> list[str]:
    """The parts of a name, without quotes."""
    return [quoted.replace('""', '"') or bare for quoted, bare in _PARTS.findall(name)] or [""]


def _body(text: str) -> tuple[str, ...]:
    """The text of a routine, as the catalog keeps it."""
    dollars = _DOLLARS.search(text)
    if dollars:
        return (plain(dollars[2]),)
    quoted = _QUOTED.search(text)
    return (plain(quoted[1].replace("''", "'")),) if quoted else ()


def _comment(text: str) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    match = _COMMENT.match(text)
    if match is None or match[1] in {"EXTENSION ", "DATABASE "} or " ON DOMAIN " in match[2]:
        return
    kind = "type" if match[1] == "DOMAIN " else match[1].lower().rstrip()
    target = settled_name(re.sub(r"\(.*\)", "", match[2], flags=re.DOTALL).replace(" ON ", " on ").rstrip())
    said = match[3].replace("''", "'")
    if not said or (kind, target, said) == _OWN_COMMENT:
        return  # takes a comment away, or is there in every new database
    yield ObjectKey("comment", "", f"{kind} {target}"), DatabaseObject((said,), (text.encode() + b";",))


def _grant(text: str, made: tuple[bytes, ...]) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    """Rights of one role to a table, its columns, a sequence, a schema or a routine; those of PUBLIC to routines are
    there from the start."""
    match = _GRANT.match(text)
    if match is None:
        return
    rights, what, target, role, star = match.groups()
    role = "public" if role == "PUBLIC" else _parts(role)[-1]
    names = _parts(re.sub(r"\(.*\)$", "", target, flags=re.DOTALL))
    schema = names[0] if len(names) > 1 else ""
    by_column: dict[str, set[str]] = {}
    for right, columns in _RIGHT.findall(rights):
        for column in columns.split(", ") if columns else [""]:
            by_column.setdefault(_parts(column)[-1] if column else "", set()).add(right + ("*" if star else ""))
    for column, found in by_column.items():
        name = f"{names[-1]}.{column}" if column else names[-1]
        if what == "SCHEMA":
            name = f"schema {name}"
        elif what in {"FUNCTION", "PROCEDURE"}:
            name = f"{name}()"
        if role == "public" and what in {"FUNCTION", "PROCEDURE"}:
            continue
        told = () if any(right.startswith("ALL") for right in found) else (",".join(sorted(found)),)
        yield ObjectKey("grant", schema, name, role), DatabaseObject(told, made)


def _joined(one: tuple[str, ...], other: tuple[str, ...]) -> tuple[str, ...]:
    """The rights of two grants to one role."""
    return (",".join(sorted({*one[0].split(","), *other[0].split(",")})),) if one and other else ()


def _other(entry: Entry, engine: Engine) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    """MariaDB's and SQLite's objects: whole definitions of what has a body."""
    about = entry.about.name if entry.about and entry.kind in {"trigger", "index"} else ""
    text = entry.text.strip().removesuffix(entry.delimiter.decode("utf-8", "replace"))
    if engine is Engine.SQLITE:
        yield ObjectKey(entry.kind, "", entry.name.name, about), DatabaseObject((plain(text),), (entry.definition,))
    elif entry.kind == "index":
        for constraint in entry.constraints:
            yield from _constraint(constraint, entry, engine)
    elif entry.kind == "view":
        query = _MARIADB_QUERY.search(text.strip())
        yield (
            ObjectKey("view", "", entry.name.name),
            DatabaseObject((plain(query[1]),) if query else (), (text.encode(),)),
        )
    else:
        whole = plain(text.strip().removesuffix("*/"))
        made = (
            DatabaseObject((whole,), (text.encode(),), whole=True)
            if entry.kind in _BODIES
            else DatabaseObject((), (text.encode(),))
        )
        yield ObjectKey(entry.kind, "", entry.name.name, about), made


def _mariadb_comments(entry: Entry) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    """Comments stand in a table's definition, a column on each line."""
    table = entry.name.name
    for line in entry.text.splitlines():
        if found := _MARIADB_COMMENT.match(line):
            name = f"column {table}.{found[1].replace('``', '`')}"
            yield ObjectKey("comment", "", name), DatabaseObject((_unescaped(found[2]),))
        elif found := _TABLE_COMMENT.match(line):
            yield ObjectKey("comment", "", f"table {table}"), DatabaseObject((_unescaped(found[1]),))


def _unescaped(text: str) -> str:
    return re.sub(r"''|\\(.)", lambda match: {"n": "\n", "r": "\r", "0": "\0"}.get(match[1], match[1] or "'"), text)

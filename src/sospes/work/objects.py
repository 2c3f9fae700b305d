"""The objects that a backup defines, in words that can be held against a server's catalog or another backup."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass, field

from sospes.model.entries import Constraint, ConstraintKind, Engine, Entry, Name
from sospes.model.objects import DatabaseObject, ObjectKey, plain, settled_type

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
_GRANT = re.compile(r'GRANT ([A-Z,]+) ON TABLE .+ TO ("(?:[^"]|"")+"|\S+?)( WITH GRANT OPTION)?$', re.DOTALL)
_DEFAULT = re.compile(r"\bSET DEFAULT (.+)$", re.DOTALL)
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

    def take(self, entry: Entry, engine: Engine) -> None:
        """Take in one entry."""
        known = self.found.setdefault(entry.name.database, {})
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
            text = ("unique " if unique else "") + f"({', '.join(constraint.columns)})"
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
    text = entry.definition.decode("utf-8", "replace").strip().rstrip(";").rstrip()
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
    elif entry.kind == "grant" and entry.about is not None:
        yield from _grant(text, entry)


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
    target = re.sub(r"\(.*\)", "", match[2], flags=re.DOTALL).replace(" ON ", " on ").rstrip()
    said = plain(match[3].replace("''", "'"))
    yield ObjectKey("comment", "", f"{kind} {target}"), DatabaseObject((said,), (text.encode() + b";",))


def _grant(text: str, entry: Entry) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    match = _GRANT.match(text)
    if match is None or entry.about is None:
        return
    role = match[2].strip('"').replace('""', '"')
    role = "public" if match[2] == "PUBLIC" else role
    star = "*" if match[3] else ""
    rights = () if match[1] == "ALL" else (",".join(sorted(right + star for right in match[1].split(","))),)
    yield (
        ObjectKey("grant", entry.about.schema or "", entry.about.name, role),
        DatabaseObject(rights, (entry.definition,)),
    )


def _joined(one: tuple[str, ...], other: tuple[str, ...]) -> tuple[str, ...]:
    """The rights of two grants to one role."""
    return (",".join(sorted({*one[0].split(","), *other[0].split(",")})),) if one and other else ()


def _other(entry: Entry, engine: Engine) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    """MariaDB's and SQLite's objects: whole definitions of what has a body."""
    about = entry.about.name if entry.about and entry.kind in {"trigger", "index"} else ""
    text = entry.definition.decode("utf-8", "replace").strip().removesuffix(entry.delimiter.decode("utf-8", "replace"))
    if engine is Engine.SQLITE:
        yield ObjectKey(entry.kind, "", entry.name.name, about), DatabaseObject((plain(text),), (entry.definition,))
    elif entry.kind == "index":
        for constraint in entry.constraints:
            yield from _constraint(constraint, entry, engine)
    else:
        whole = plain(text.strip().removesuffix("*/"))
        made = (
            DatabaseObject((whole,), (text.encode(),), whole=True)
            if entry.kind in _BODIES
            else DatabaseObject((), (text.encode(),))
        )
        yield ObjectKey(entry.kind, "", entry.name.name, about), made

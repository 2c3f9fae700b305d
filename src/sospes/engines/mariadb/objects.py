"""The objects that a backup of MariaDB or MySQL defines, in words that can be held against a server's catalog."""

from __future__ import annotations

import re
from collections.abc import Iterator

from sospes.model.entries import Constraint, ConstraintKind, Engine, Entry, Name
from sospes.model.kinds import Kind
from sospes.model.objects import DatabaseObject, ObjectKey, plain, settled_type
from sospes.sql.lexis import Lexis, without_comments
from sospes.sql.quoting import back_quoted, dotted

_DEFINED = frozenset({Kind.VIEW, Kind.TRIGGER, Kind.EVENT, Kind.FUNCTION, Kind.PROCEDURE, Kind.SEQUENCE, Kind.INDEX})
BODIES = frozenset({Kind.FUNCTION, Kind.PROCEDURE, Kind.TRIGGER, Kind.EVENT})
_COLUMN_COMMENT = re.compile(r"^\s*`((?:[^`]|``)+)` .*\bCOMMENT '((?:[^'\\]|''|\\.)*)',?$")
_TABLE_COMMENT = re.compile(r"^\).*\bCOMMENT='((?:[^'\\]|''|\\.)*)'")
_QUERY = re.compile(r"\sAS\s+(.+?)(?:\s+WITH (?:CASCADED |LOCAL )?CHECK OPTION)?\s*(?:\*/)?$", re.DOTALL)
_KEYS = frozenset({ConstraintKind.INDEX, ConstraintKind.UNIQUE, ConstraintKind.PRIMARY})


_LEXIS = Lexis(Engine.MARIADB, escapes=True)
_STRING = re.compile(r"'(?:[^'\\]|''|\\.)*'", re.DOTALL)
_PERIOD = re.compile(r"^\s*PERIOD FOR `((?:[^`]|``)+)` \(", re.MULTILINE)
_BETWEEN = re.compile(r"\s*\*/\s*/\*M?!\d*\s*")
"""What ends one conditional comment and begins the next, where dump programs cut a view's definition."""

_CONDITIONAL = re.compile(r"\s*/\*.*?(?:\*/|$)")


def body_worded(text: str) -> str:
    """A body in the words in which a catalog has it: clients take comments out, the server escapes ends of lines."""
    bare = without_comments(text.encode("utf-8", "surrogateescape"), _LEXIS).decode("utf-8", "surrogateescape")
    return plain(_STRING.sub(lambda match: match[0].replace("\n", "\\n"), bare))


def view_queries(text: str) -> tuple[str, ...]:
    """The query of a view's definition; none where that says none."""
    query = _QUERY.search(_BETWEEN.sub(" ", text.strip()))
    return (plain(query[1]),) if query else ()


def type_worded(text: str) -> str:
    """A column's type without what only some servers read."""
    return settled_type(_CONDITIONAL.sub("", text.lower()))


def objects_of(entry: Entry) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    """What an entry defines, besides rows."""
    if entry.kind == Kind.TABLE:
        yield from _table(entry)
    elif entry.kind in _DEFINED:
        yield from _other(entry)


def _table(entry: Entry) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    schema, table = entry.name.schema or "", entry.name.name
    yield ObjectKey("table", schema, table), DatabaseObject()
    for column in entry.columns:
        text = type_worded(column.type) + (" not null" if column.not_null else "")
        yield ObjectKey("column", schema, column.name, table), DatabaseObject((text,))
    for name in _PERIOD.findall(entry.text):
        yield ObjectKey("constraint", "", name.replace("``", "`"), table), DatabaseObject()
    for constraint in entry.constraints:
        yield from _constraint(constraint, entry)
    yield from _comments(entry)


def _constraint(constraint: Constraint, entry: Entry) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    about = entry.subject
    statements = (_added(about, constraint) if entry.kind == Kind.TABLE else entry.definition,)
    if constraint.kind in _KEYS:
        name = "PRIMARY" if constraint.kind is ConstraintKind.PRIMARY else constraint.name
        unique = "" if constraint.kind is ConstraintKind.INDEX else "unique "
        text = plain(f"{unique}({', '.join(constraint.columns)})")
        made = DatabaseObject((text,) if constraint.columns else (), statements)
        yield ObjectKey("index", "", name, about.name), made
    elif constraint.name:
        target = constraint.references.name if constraint.references else ""
        found = DatabaseObject((target,) if target else (), statements)
        yield ObjectKey("constraint", "", constraint.name, about.name), found


def _added(table: Name, constraint: Constraint) -> bytes:
    """The statement that would add a constraint which stands in its table's definition."""
    return f"ALTER TABLE {back_quoted(table.name)} ADD {constraint.text.rstrip('; ')}".encode()


def _other(entry: Entry) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    """Whole definitions of what has a body."""
    about = entry.about.name if entry.about and entry.kind in {Kind.TRIGGER, Kind.INDEX} else ""
    text = entry.text.strip().removesuffix(entry.delimiter.decode("utf-8", "replace"))
    made = (text.encode(),)
    if entry.kind == Kind.INDEX:
        for constraint in entry.constraints:
            yield from _constraint(constraint, entry)
    elif entry.kind == Kind.VIEW:
        yield ObjectKey("view", "", entry.name.name), DatabaseObject(view_queries(text), made)
    elif entry.kind in BODIES:
        whole = body_worded(text.strip().removesuffix("*/"))
        yield ObjectKey(entry.kind, "", entry.name.name, about), DatabaseObject((whole,), made, whole=True)
    else:
        yield ObjectKey(entry.kind, "", entry.name.name, about), DatabaseObject((), made)


def _comments(entry: Entry) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    """Comments stand in a table's definition, a column on each line."""
    table = entry.name.name
    for line in entry.text.splitlines():
        if found := _COLUMN_COMMENT.match(line):
            name = f"column {table}.{found[1].replace('``', '`')}"
            yield ObjectKey("comment", "", name), DatabaseObject((_unescaped(found[2]),))
        elif found := _TABLE_COMMENT.match(line):
            yield ObjectKey("comment", "", f"table {table}"), DatabaseObject((_unescaped(found[1]),))


def _unescaped(text: str) -> str:
    return re.sub(r"''|\\(.)", lambda match: {"n": "\n", "r": "\r", "0": "\0"}.get(match[1], match[1] or "'"), text)


def dropping(key: ObjectKey) -> str:
    """The statement that takes an object away."""
    name, table = (dotted(back_quoted, key.schema, last) for last in (key.name, key.about))
    if key.kind == "constraint":
        return f"ALTER TABLE {table} DROP CONSTRAINT {back_quoted(key.name)}"
    if key.kind == "index":
        return f"DROP INDEX {back_quoted(key.name)} ON {table}"
    return f"DROP {key.kind.upper()} {name}"

"""The objects that a backup of PostgreSQL defines, in words that can be held against the catalog."""

from __future__ import annotations

import re
from collections.abc import Iterator

from sospes.model.entries import Constraint, Entry
from sospes.model.kinds import Kind
from sospes.model.objects import DatabaseObject, ObjectKey, plain, settled_name, settled_type
from sospes.sql.quoting import dotted, double_quoted, literal

_PRESENT = frozenset(
    {Kind.SCHEMA, Kind.EXTENSION, Kind.DOMAIN, Kind.SEQUENCE, Kind.POLICY, Kind.EVENT_TRIGGER, Kind.FOREIGN_TABLE}
)
_BY_TEXT = frozenset({Kind.INDEX, Kind.TRIGGER, Kind.RULE})
_ROUTINES = frozenset({Kind.FUNCTION, Kind.PROCEDURE, Kind.AGGREGATE})
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
_DEFAULT = re.compile(r"\bSET DEFAULT (.+)$", re.DOTALL)
_OWN_COMMENT = ("schema", "public", "standard public schema")
_NAMED = re.compile(r'CONSTRAINT ("(?:[^"]|"")+"|\S+) ')


def joined(before: DatabaseObject, item: DatabaseObject, entry: Entry) -> DatabaseObject:
    """Two definitions of one name: routines are one object, anything else takes the earlier one's place."""
    if entry.kind in _ROUTINES:
        return DatabaseObject((*before.texts, *item.texts), (*before.statements, *item.statements))
    return item


def objects_of(entry: Entry) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    """What an entry defines, besides rows."""
    if entry.kind == Kind.TABLE:
        yield from _table(entry)
    else:
        yield from _other(entry)


def _table(entry: Entry) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    schema, table = entry.name.schema or "", entry.name.name
    yield ObjectKey("table", schema, table), DatabaseObject()
    for column in entry.columns:
        text = settled_type(column.type) + (" not null" if column.not_null else "")
        yield ObjectKey("column", schema, column.name, table), DatabaseObject((text,))
        if column.default and not column.generated:
            yield ObjectKey("default", schema, column.name, table), DatabaseObject((plain(column.default),))
    for constraint in entry.constraints:
        yield from _constraint(constraint, entry)


def _constraint(constraint: Constraint, entry: Entry) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    if not constraint.name:
        return
    about = entry.subject
    statement = entry.definition
    if entry.kind == Kind.TABLE:
        label = dotted(double_quoted, about.schema, about.name)
        statement = f"ALTER TABLE {label} ADD {constraint.text.rstrip('; ')}".encode()
    text = _NAMED.sub("", constraint.text, count=1)
    key = ObjectKey("constraint", about.schema or "", constraint.name, about.name)
    yield key, DatabaseObject((plain(text),), (statement,))


def _other(entry: Entry) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    schema, name = entry.name.schema or "", entry.name.name
    text = entry.text.strip().rstrip(";").rstrip()
    made = (entry.definition,)
    about = entry.about.name if entry.about else ""
    if entry.kind in _PRESENT:
        on_table = entry.kind == Kind.POLICY
        if (entry.kind, name) not in {("schema", "public"), ("extension", "plpgsql")}:
            owner = entry.about.schema or "" if on_table and entry.about else schema
            free = entry.kind in {Kind.SCHEMA, Kind.EXTENSION, Kind.EVENT_TRIGGER}
            yield (
                ObjectKey(entry.kind, "" if free else owner, name, about if on_table else ""),
                DatabaseObject((), made),
            )
    elif entry.kind in _BY_TEXT and entry.about is not None:
        yield ObjectKey(entry.kind, entry.about.schema or "", name, about), DatabaseObject((plain(text),), made)
    elif entry.kind == Kind.CONSTRAINT:
        for constraint in entry.constraints:
            yield from _constraint(constraint, entry)
    elif entry.kind in {Kind.VIEW, Kind.MATERIALIZED_VIEW}:
        query = _QUERY.search(_BEHIND.sub("", text))
        yield ObjectKey(entry.kind, schema, name), DatabaseObject((plain(query[1]),) if query else (), made)
    elif entry.kind in _ROUTINES:
        yield ObjectKey(entry.kind, schema, name), DatabaseObject(_body(text), made)
    elif entry.kind == Kind.TYPE:
        labels = _LABELS.search(text)
        yield ObjectKey("type", schema, name), DatabaseObject((plain(labels[1]),) if labels else (), made)
    elif entry.kind == Kind.DEFAULT and entry.about is not None:
        value = _DEFAULT.search(text)
        found = DatabaseObject((plain(value[1]),) if value else ())
        yield ObjectKey("default", entry.about.schema or "", name, about), found
    elif entry.kind == Kind.COMMENT:
        yield from _comment(text)
    elif entry.kind == Kind.GRANT:
        yield from _grant(text, made)
    elif entry.kind == Kind.ROLE and text.upper().startswith("CREATE"):
        yield ObjectKey("role", "", name), DatabaseObject((), made)
    elif entry.kind == Kind.OWNERSHIP and (given := _OWNER.match(text)):
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


def dropping(key: ObjectKey) -> str:
    """The statement that takes an object away."""
    name, table = (dotted(double_quoted, key.schema, last) for last in (key.name, key.about))
    if key.kind in _ROUTINES:
        return _ALL_OF_A_NAME.format(name=literal(key.name), schema=literal(key.schema))
    if key.kind == "constraint":
        return f"ALTER TABLE {table} DROP CONSTRAINT {double_quoted(key.name)}"
    if key.kind in {"trigger", "rule"}:
        return f"DROP {key.kind.upper()} {double_quoted(key.name)} ON {table}"
    return f"DROP {key.kind.upper()} {name}"


_ALL_OF_A_NAME = """DO $sospes$
DECLARE routine regprocedure;
BEGIN
  FOR routine IN SELECT p.oid FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace
    WHERE p.proname = {name} AND n.nspname = {schema} LOOP EXECUTE 'DROP ROUTINE ' || routine; END LOOP;
END $sospes$"""

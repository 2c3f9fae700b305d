"""Statements that make dropped objects anew, as the backup defines them, and those that take them away again."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass

from sospes.model.entries import Engine
from sospes.model.objects import ObjectKey, Unlike
from sospes.work.compare.sides.protocol import RowSide
from sospes.work.objects.differences import Scope, differing_objects, object_sides

_ORDER = (
    "function", "procedure", "aggregate", "index", "constraint", "view", "materialized view", "rule", "trigger",
    "event", "grant", "comment",
)  # fmt: skip
"""Kinds that are brought back, in an order in which the later ones find what they need."""


@dataclass(frozen=True, slots=True)
class ObjectFix:
    """One object that RIGHT lacks: the statements that make it, and those that take it away."""

    item: Unlike
    forward: tuple[bytes, ...]
    back: tuple[bytes, ...]


def object_fixes(left: RowSide, right: RowSide, tables: frozenset[tuple[str, str]] | None) -> list[ObjectFix]:
    """What LEFT defines and RIGHT lacks, except tables and their columns; with `tables`, only what belongs to them."""
    sides = object_sides(left, right, every=False)
    if sides is None or right.engine is None:
        return []
    items, _ = differing_objects(*sides, Scope(tables, frozenset()))
    place = {key: number for number, key in enumerate(sides[0].found)}
    there = {(key.schema, key.name) for key in sides[1].found if key.kind == "table"}
    gone = {(key.schema, key.name) for key in sides[0].found if key.kind == "table"} - there
    missing = [
        item
        for item in items
        if item.state == "only-left"
        and item.key.kind in _ORDER
        and not ({(item.key.schema, item.key.name), (item.key.schema, item.key.about)} & gone)
    ]
    return [
        ObjectFix(item, statements, tuple(_dropped(item.key, right.engine, statements)))
        for item in sorted(missing, key=lambda item: (_ORDER.index(item.key.kind), place[item.key]))
        if (statements := sides[0].found[item.key].statements)
    ]


_GIVEN = re.compile(rb"GRANT (.*) TO (.+?)(?: WITH GRANT OPTION)?;?\s*$", re.DOTALL)
_SAID = re.compile(rb"(COMMENT ON .*?) IS '.*$", re.DOTALL)


def _dropped(key: ObjectKey, engine: Engine, statements: Sequence[bytes]) -> Sequence[bytes]:
    """How to take an object away that was brought back by some statements."""
    if key.kind == "grant":
        return [_GIVEN.sub(rb"REVOKE \1 FROM \2", statement) for statement in reversed(statements)]
    if key.kind == "comment":
        return [_SAID.sub(rb"\1 IS NULL", statement) for statement in statements]
    mark = "`" if engine in {Engine.MARIADB, Engine.MYSQL} else '"'

    def quoted(*parts: str) -> str:
        return ".".join(mark + part.replace(mark, mark * 2) + mark for part in parts if part)

    name, table = quoted(key.schema, key.name), quoted(key.schema, key.about)
    if engine is Engine.POSTGRESQL and key.kind in {"function", "procedure", "aggregate"}:
        text = _ALL_OF_A_NAME.format(name=_literal(key.name), schema=_literal(key.schema))
    elif key.kind == "constraint":
        text = f"ALTER TABLE {table} DROP CONSTRAINT {quoted(key.name)}"
    elif engine is Engine.POSTGRESQL and key.kind in {"trigger", "rule"}:
        text = f"DROP {key.kind.upper()} {quoted(key.name)} ON {table}"
    elif engine is not Engine.POSTGRESQL and engine is not Engine.SQLITE and key.kind == "index":
        text = f"DROP INDEX {quoted(key.name)} ON {table}"
    else:
        text = f"DROP {key.kind.upper()} {name}"
    return [text.encode()]


def _literal(text: str) -> str:
    return "'" + text.replace("'", "''") + "'"


_ALL_OF_A_NAME = """DO $sospes$
DECLARE routine regprocedure;
BEGIN
  FOR routine IN SELECT p.oid FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace
    WHERE p.proname = {name} AND n.nspname = {schema} LOOP EXECUTE 'DROP ROUTINE ' || routine; END LOOP;
END $sospes$"""

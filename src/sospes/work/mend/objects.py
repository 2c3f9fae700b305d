"""Statements that make dropped objects anew, as the backup defines them, and those that take them away again."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass

from sospes.engines.registry import dialect_of
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
    return [dialect_of(engine).dropping(key).encode()]

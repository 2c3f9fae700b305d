"""Conditions of checks and partial indexes, put into SQLite's words where they mean the same there."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from sospes.model.entries import Engine
from sospes.model.types import Meaning
from sospes.sides.embedded.names import quoted
from sospes.sql.quoting import literal

_DIALECTS = {
    Engine.POSTGRESQL: "postgres",
    Engine.MARIADB: "mysql",
    Engine.MYSQL: "mysql",
    Engine.SQLITE: "sqlite",
}
_TEXT_CASTS = frozenset({"TEXT", "VARCHAR", "CHAR", "BPCHAR", "NVARCHAR"})
_COMPARISONS = ("EQ", "NEQ", "GT", "GTE", "LT", "LTE")
_EQUALITIES = frozenset({"EQ", "NEQ"})
_TEXTS = frozenset({Meaning.TEXT, Meaning.PADDED})


class _Untranslatable(Exception):
    """The condition holds something that SQLite would judge differently, or not at all."""


def translated(
    condition: str, engine: Engine, meanings: Mapping[str, Meaning], held_names: Mapping[str, str]
) -> str | None:
    """The condition for SQLite; None when it can't be judged there as on its own engine.

    meanings    what makes values of each column the same
    held_names  the name of each column in the side copy
    """
    import logging

    import sqlglot
    from sqlglot.errors import SqlglotError

    logging.getLogger("sqlglot").setLevel(logging.ERROR)
    try:
        tree = sqlglot.parse_one(condition, read=_DIALECTS[engine])
        return _Translation(engine, meanings, held_names).boolean(tree)
    except (SqlglotError, _Untranslatable, RecursionError):
        return None


def _as_texts(values: Sequence[tuple[str, Meaning]]) -> list[str]:
    """Values that are compared as text: where one is filled up with blanks, none of the others' count."""
    meanings = {meaning for _, meaning in values}
    if not meanings <= _TEXTS:
        raise _Untranslatable("text")
    padded = Meaning.PADDED in meanings
    return [f"rtrim({text}, ' ')" if padded and meaning is Meaning.TEXT else text for text, meaning in values]


class _Translation:
    """Walks a parsed condition; every kind of node that is not known to mean the same is refused."""

    def __init__(self, engine: Engine, meanings: Mapping[str, Meaning], held_names: Mapping[str, str]) -> None:
        self._engine = engine
        self._meanings = meanings
        self._held_names = held_names

    def boolean(self, node: Any) -> str:
        """A condition."""
        kind = type(node).__name__
        if kind == "Paren":
            return f"({self.boolean(node.this)})"
        if kind in {"And", "Or"}:
            return f"({self.boolean(node.this)} {kind.upper()} {self.boolean(node.expression)})"
        if kind == "Not":
            return f"(NOT {self.boolean(node.this)})"
        if kind == "Is" and type(node.expression).__name__ == "Null":
            return f"({self._value(node.this)[0]} IS NULL)"
        if kind == "In" and node.expressions:
            return self._member(node)
        if kind == "Between":
            return self._between(node)
        if kind in _COMPARISONS:
            return self._comparison(kind, node)
        if kind == "Column":
            text, meaning = self._value(node)
            if meaning is Meaning.BOOLEAN:
                return f"({text} IN ('t', 'true'))" if self._engine is Engine.POSTGRESQL else f"({text} <> 0)"
        raise _Untranslatable(kind)

    def _member(self, node: Any) -> str:
        text, meaning = self._value(node.this)
        members = [self._value(item) for item in node.expressions]
        if {meaning, *(other for _, other in members)} == {Meaning.INTEGER}:
            return f"({text} IN ({', '.join(member for member, _ in members)}))"
        texts = _as_texts([(text, meaning), *members])
        return f"({texts[0]} IN ({', '.join(texts[1:])}))"

    def _between(self, node: Any) -> str:
        parts = [self._value(part) for part in (node.this, node.args["low"], node.args["high"])]
        if any(meaning is not Meaning.INTEGER for _, meaning in parts):
            raise _Untranslatable("between")
        return f"({parts[0][0]} BETWEEN {parts[1][0]} AND {parts[2][0]})"

    def _comparison(self, kind: str, node: Any) -> str:
        left, left_meaning = self._value(node.this)
        right, right_meaning = self._value(node.expression)
        if not left_meaning is right_meaning is Meaning.INTEGER:
            if kind not in _EQUALITIES:
                raise _Untranslatable("comparison")
            left, right = _as_texts([(left, left_meaning), (right, right_meaning)])
        mark = {"EQ": "=", "NEQ": "<>", "GT": ">", "GTE": ">=", "LT": "<", "LTE": "<="}[kind]
        return f"({left} {mark} {right})"

    def _value(self, node: Any) -> tuple[str, Meaning]:
        """A value, and what makes it the same as another."""
        kind = type(node).__name__
        if kind == "Paren":
            return self._value(node.this)
        if kind == "Column":
            return self._column(node)
        if kind == "Literal":
            if node.is_string:
                return literal(node.this), Meaning.TEXT
            if node.this.isdecimal():
                return node.this, Meaning.INTEGER
        if kind == "Neg":
            text, meaning = self._value(node.this)
            return f"-{text}", meaning
        if kind == "Cast" and node.to.this.name in _TEXT_CASTS and not node.to.expressions:
            text, meaning = self._value(node.this)
            if meaning in _TEXTS:
                return text, meaning
        if kind == "Length" and self._counts_characters(node):
            text, meaning = self._value(node.this)
            if meaning in _TEXTS:
                return f"length({text})", Meaning.INTEGER
        raise _Untranslatable(kind)

    def _counts_characters(self, node: Any) -> bool:
        return self._engine is not Engine.MARIADB and self._engine is not Engine.MYSQL and not node.args.get("binary")

    def _column(self, node: Any) -> tuple[str, Meaning]:
        for name, meaning in self._meanings.items():
            if name == node.name or (self._engine is not Engine.POSTGRESQL and name.lower() == node.name.lower()):
                held = quoted(self._held_names[name])
                return (f"rtrim({held}, ' ')" if meaning is Meaning.PADDED else held), meaning
        raise _Untranslatable("column")

"""The columns and constraints in a table's definition, read from its own words."""

from __future__ import annotations

import re
from dataclasses import replace

from sospes.model.entries import Column, Constraint, ConstraintKind, Engine, Name
from sospes.sql.phrase import Phrase

_ENDS_TYPE = frozenset(
    [
        "constraint",
        "not",
        "null",
        "default",
        "primary",
        "unique",
        "check",
        "references",
        "collate",
        "generated",
        "auto_increment",
        "comment",
        "on",
        "as",
        "key",
        "storage",
        "compression",
        "invisible",
        "options",
        "virtual",
        "stored",
        "persistent",
        "charset",
        "ref_system_id",
        "without",
    ]
)
_KEY_WORDS = frozenset(
    ["primary", "unique", "check", "foreign", "exclude", "key", "index", "fulltext", "spatial", "constraint"]
)
_NOT_A_COLUMN = frozenset(["primary", "unique", "check", "foreign", "exclude", "constraint"])


def read_table_body(
    phrase: Phrase, start: int, end: int, name: Name
) -> tuple[tuple[Column, ...], tuple[Constraint, ...]]:
    """Columns and constraints between the parentheses of CREATE TABLE (token indexes `start` to `end`)."""
    columns: list[Column] = []
    constraints: list[Constraint] = []
    for first, last in phrase.items(start, end):
        phrase.position = first
        if is_constraint(phrase, last):
            found = read_constraint(phrase, last, name)
            if found is not None:
                constraints.append(found)
        else:
            column, inline = _read_column(phrase, last, name)
            columns.append(column)
            constraints.extend(inline)
    primary = {column for found in constraints if found.kind is ConstraintKind.PRIMARY for column in found.columns}
    return (
        tuple(
            replace(column, not_null=True) if column.name in primary and not _is_sqlite(phrase) else column
            for column in columns
        ),
        tuple(constraints),
    )


def _is_sqlite(phrase: Phrase) -> bool:
    """Whether the words are SQLite's, which has no types, and takes NULL in most primary keys."""
    return phrase.lexis.engine is Engine.SQLITE


def is_constraint(phrase: Phrase, end: int) -> bool:
    """Whether the item of a table's body at the cursor, which ends at `end`, is a constraint or an index."""
    word = phrase.word()
    if word in _NOT_A_COLUMN or (word == "period" and phrase.word(1) == "for"):
        return True
    if word == "like" and phrase.lexis.engine is Engine.POSTGRESQL:
        return True  # the columns of another table
    if word in {"key", "index", "fulltext", "spatial"} and phrase.lexis.is_mariadb:
        return any(phrase.tokens[index].text == "(" for index in range(phrase.position, end))
    return False


def read_constraint(phrase: Phrase, end: int, table: Name) -> Constraint | None:
    """A constraint of a table at the cursor; None for what demands nothing of rows (LIKE, PERIOD)."""
    begin = phrase.position
    name = ""
    if phrase.take("constraint") and phrase.word() not in _KEY_WORDS | {"not"}:
        name = phrase.identifier()
    kind = _constraint_kind(phrase)
    if kind is None:
        return None
    if kind not in {ConstraintKind.CHECK, ConstraintKind.EXCLUDE}:
        nulls = phrase.take("nulls", "not", "distinct")
        name = name or (phrase.identifier() if phrase.word() not in {"(", "using"} else "")
        if phrase.take("using") and phrase.word() != "index":
            phrase.identifier()
    else:
        nulls = False
    if kind is ConstraintKind.EXCLUDE:
        while phrase.position < end and phrase.word() != "(":
            phrase.position += 1
    first, last = phrase.group()
    inner_end = phrase.position
    found = Constraint(kind=kind, name=name, nulls_not_distinct=nulls, text=phrase.text(begin, end))
    if kind in {ConstraintKind.CHECK, ConstraintKind.EXCLUDE}:
        found = replace(found, expression=phrase.text(first, last))
    else:
        columns, prefix = key_columns(phrase, first, last)
        found = replace(found, columns=columns, prefix=prefix)
    phrase.position = inner_end
    if kind is ConstraintKind.FOREIGN and phrase.take("references"):
        found = _with_reference(phrase, found, table)
    return replace(found, validated=not _says_not_valid(phrase, end))


def _says_not_valid(phrase: Phrase, end: int) -> bool:
    """Whether a constraint stands there as never validated."""
    return any(
        phrase.tokens[index].text == "not" and phrase.tokens[index + 1].text in {"valid", "enforced"}
        for index in range(phrase.position, end - 1)
    )


def _constraint_kind(phrase: Phrase) -> ConstraintKind | None:
    """The kind that the next words name; None if they name none."""
    if phrase.take("primary", "key"):
        return ConstraintKind.PRIMARY
    if phrase.take("unique"):
        _ = phrase.take("key") or phrase.take("index")
        return ConstraintKind.UNIQUE
    if phrase.take("foreign", "key"):
        return ConstraintKind.FOREIGN
    if phrase.take("check"):
        return ConstraintKind.CHECK
    if phrase.take("exclude"):
        return ConstraintKind.EXCLUDE
    _ = phrase.take("fulltext") or phrase.take("spatial")
    if phrase.take("key") or phrase.take("index"):
        return ConstraintKind.INDEX
    return None


def _with_reference(phrase: Phrase, found: Constraint, table: Name) -> Constraint:
    """A foreign key with the table and columns that it points to."""
    parent = phrase.name(table.database, table.schema)
    first, last = phrase.group()
    resume = phrase.position
    columns, _ = key_columns(phrase, first, last)
    phrase.position = resume
    return replace(found, references=parent, reference_columns=columns)


def key_columns(phrase: Phrase, start: int, end: int) -> tuple[tuple[str, ...], bool]:
    """The column names of a key, and whether only a prefix of one counts; no names if an expression is there.

    A period is no column: keys WITHOUT OVERLAPS and references of a PERIOD demand something else of their columns.
    """
    names: list[str] = []
    prefix = False
    for first, last in phrase.items(start, end):
        phrase.position = first
        name = phrase.identifier()
        if name.lower() == "period" and phrase.position < last and phrase.token.kind in {"word", "name"}:
            return (), False
        if phrase.lexis.is_mariadb and phrase.word() == "without" and phrase.word(1) == "overlaps":
            return (), False
        if not name or phrase.word() == ".":
            return (), False
        if phrase.word() == "(" and phrase.position < last:
            inside, _ = phrase.group()
            if not (phrase.lexis.is_mariadb and phrase.tokens[inside].kind == "number"):
                return (), False
            prefix = True
        names.append(name)
    return tuple(names), prefix


def _read_column(phrase: Phrase, end: int, table: Name) -> tuple[Column, list[Constraint]]:
    """One column: name, type, options, and the constraints that stand in its own line."""
    name = phrase.identifier()
    begin = phrase.position
    while phrase.position < end and not _type_ends(phrase, begin):
        if phrase.word() == "(":
            phrase.group()
        else:
            phrase.position += 1
    column = Column(name=name, type=_type_text(phrase, begin, phrase.position))
    constraints: list[Constraint] = []
    while phrase.position < end:
        column = _column_option(phrase, end, column, constraints, table)
    return column, constraints


_QUOTED_TYPE = re.compile(r'"(?!char")([a-z_][a-z0-9_]*)"')


def _type_text(phrase: Phrase, begin: int, end: int) -> str:
    """A type in its own words; where a script quotes all names, those of the server's types come without quotes."""
    text = phrase.text(begin, end)
    return _QUOTED_TYPE.sub(r"\1", text) if phrase.lexis.engine is Engine.POSTGRESQL else text


def _type_ends(phrase: Phrase, begin: int) -> bool:
    """Whether a type's words end here, as an option of the column begins."""
    word = phrase.word()
    if word in _ENDS_TYPE:
        return not (word == "without" and phrase.word(1) == "time")
    return word == "character" and phrase.position > begin and phrase.word(1) == "set"


def _column_option(phrase: Phrase, end: int, column: Column, constraints: list[Constraint], table: Name) -> Column:
    """One option of a column."""
    begin = phrase.position
    name = phrase.identifier() if phrase.take("constraint") else ""
    if phrase.take("not", "null"):
        return replace(column, not_null=True)
    if phrase.take("default"):
        start = phrase.position
        _step_over_expression(phrase, end)
        return replace(column, default=phrase.text(start, phrase.position))
    if phrase.take("collate"):
        return replace(column, collation=".".join(phrase.parts()))
    if phrase.take("character", "set") or phrase.take("charset"):
        return replace(column, collation=column.collation or phrase.identifier())
    if phrase.take("generated") or phrase.word() == "as":
        return _generated(phrase, column)
    if phrase.lexis.is_mariadb and phrase.take("on", "update"):
        return replace(column, moves=True)
    if phrase.take("auto_increment"):
        return replace(column, identity=True)
    found = _inline_constraint(phrase, end, column, name, table)
    if found is not None:
        constraints.append(replace(found, text=phrase.text(begin, phrase.position)))
        return replace(column, not_null=True) if _makes_not_null(found, column, phrase) else column
    if phrase.word() == "(":
        phrase.group()
    elif phrase.position == begin or not name:
        phrase.position += 1
    return column


def _makes_not_null(found: Constraint, column: Column, phrase: Phrase) -> bool:
    """Whether a constraint keeps NULL out of its column."""
    return column.not_null or (found.kind is ConstraintKind.PRIMARY and not _is_sqlite(phrase))


def _generated(phrase: Phrase, column: Column) -> Column:
    """A column that is computed, or counted up."""
    while phrase.word() in {"always", "by", "default"}:
        phrase.position += 1
    phrase.take("as")
    if phrase.take("identity"):
        return replace(column, identity=True)
    if phrase.take("row"):  # when a version of the row began and ended, which no restore brings back
        phrase.position += 1
        return replace(column, generated=True, not_null=True)
    phrase.group()
    return replace(column, generated=True)


def _inline_constraint(phrase: Phrase, end: int, column: Column, name: str, table: Name) -> Constraint | None:
    """A constraint in a column's own line; None if the words are none."""
    if phrase.take("primary", "key"):
        return Constraint(kind=ConstraintKind.PRIMARY, name=name, columns=(column.name,))
    if phrase.take("unique"):
        phrase.take("key")
        return Constraint(kind=ConstraintKind.UNIQUE, name=name, columns=(column.name,))
    if phrase.take("check"):
        first, last = phrase.group()
        return Constraint(kind=ConstraintKind.CHECK, name=name, expression=phrase.text(first, last))
    if phrase.take("references"):
        found = Constraint(kind=ConstraintKind.FOREIGN, name=name, columns=(column.name,))
        return _with_reference(phrase, found, table)
    return None


def _step_over_expression(phrase: Phrase, end: int) -> None:
    """A default goes on to the next word that begins another option of the column."""
    first = True
    while phrase.position < end:
        word = phrase.word()
        if not first and word in _ENDS_TYPE - {"null", "key"} and phrase.word(1) != "(":
            return
        first = False
        if word == "(":
            phrase.group()
        else:
            phrase.position += 1

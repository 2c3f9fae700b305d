"""The house itself: what only a name would tell is asked of registries, and everything is told of what it is."""

from __future__ import annotations

import ast
from collections.abc import Iterator
from pathlib import Path

import pytest

from sospes.engines.registry import dialect_of
from sospes.formats.registry import FORMS, words_of
from sospes.model.entries import Engine

SOURCE = Path(__file__).parents[2] / "src" / "sospes"
ROOMS_OF_NAMES = ("formats", "engines", "sides", "sql")
"""Where forms, engines and kinds of servers are known by name."""

NAMES = {form.name for form in FORMS} | {engine.value for engine in Engine}
SIDES = {"BackupRows", "LiveRows", "SideCopy", "RowFile", "OddRows"}


def _modules(*rooms: str) -> Iterator[tuple[str, ast.Module]]:
    """All modules but those in some rooms, and those of the demo, which shows what it names."""
    for path in sorted(SOURCE.rglob("*.py")):
        name = path.relative_to(SOURCE).as_posix()
        if name.split("/")[0] not in rooms and name != "cli/demo.py":
            yield name, ast.parse(path.read_text())


def _is_name(node: ast.expr) -> bool:
    """Whether an expression is the name of an engine or a form, or a collection of such."""
    if isinstance(node, ast.Set | ast.Tuple | ast.List):
        return any(map(_is_name, node.elts))
    if isinstance(node, ast.Attribute):
        return isinstance(node.value, ast.Name) and node.value.id == "Engine"
    return isinstance(node, ast.Constant) and node.value in NAMES


def test_no_engine_and_no_form_is_told_by_its_name_above_their_rooms() -> None:
    found = [
        f"{name}:{node.lineno}"
        for name, tree in _modules(*ROOMS_OF_NAMES, "model")
        for node in ast.walk(tree)
        if isinstance(node, ast.Compare) and any(map(_is_name, [node.left, *node.comparators]))
    ]
    assert found == []


def test_no_side_is_told_by_its_class() -> None:
    found = [
        f"{name}:{node.lineno}"
        for name, tree in _modules("sides")
        for node in ast.walk(tree)
        if isinstance(node, ast.Call) and isinstance(node.func, ast.Name) and node.func.id == "isinstance"
        if {part.id for part in ast.walk(node.args[1]) if isinstance(part, ast.Name)} & SIDES
    ]
    assert found == []


def test_a_comparison_with_a_name_would_be_found() -> None:
    [told, asked] = [
        node
        for node in ast.walk(ast.parse("a is Engine.SQLITE\nb.engine is c.engine"))
        if isinstance(node, ast.Compare)
    ]
    assert any(map(_is_name, [told.left, *told.comparators]))
    assert not any(map(_is_name, [asked.left, *asked.comparators]))


def test_every_module_says_what_it_holds() -> None:
    assert [name for name, tree in _modules() if not ast.get_docstring(tree)] == []


@pytest.mark.parametrize("engine", Engine)
def test_every_engine_has_a_dialect_of_its_own(engine: Engine) -> None:
    dialect = dialect_of(engine)
    assert dialect.engine is engine and dialect.title.casefold() == engine.value
    name = 'it\'s "a" `b`'
    quoted = dialect.quote(name)
    mark = quoted[0]
    assert quoted[-1] == mark and quoted[1:-1].replace(mark * 2, mark) == name


def test_where_no_engine_is_known_names_are_as_those_of_the_one_that_is_read() -> None:
    assert dialect_of(None).engine is Engine.POSTGRESQL


@pytest.mark.parametrize("form", FORMS, ids=lambda form: str(form.name))
def test_every_form_is_spoken_of(form: object) -> None:
    words = words_of(str(getattr(form, "name")))  # noqa: B009
    assert words.title and words.whole.startswith("yes") and words.cut_off.startswith("no")

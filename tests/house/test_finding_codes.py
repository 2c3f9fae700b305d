"""Every code of a finding stands in a test by its name."""

from __future__ import annotations

import ast
import re
from collections.abc import Iterator
from pathlib import Path

HERE = Path(__file__).parent.parent
SOURCE = HERE.parent / "src" / "sospes"
_CODE = re.compile(r"[a-z]+(?:-[a-z]+)*|utf-16")
_MAKERS = {"fault", "doubt", "note", "Finding"}


def codes() -> Iterator[str]:
    """The codes that the program gives, by the calls that make findings."""
    for path in SOURCE.rglob("*.py"):
        for node in ast.walk(ast.parse(path.read_text())):
            if not isinstance(node, ast.Call):
                continue
            name = getattr(node.func, "id", "fault" if isinstance(node.func, ast.IfExp) else "")
            named = [keyword.value for keyword in node.keywords if keyword.arg == "code"]
            for argument in [*node.args[:1], *named] if name in _MAKERS else []:
                for part in ast.walk(argument):
                    if isinstance(part, ast.Constant) and isinstance(part.value, str) and _CODE.fullmatch(part.value):
                        yield part.value


def test_every_code_of_a_finding_stands_in_a_test() -> None:
    texts = [
        path.read_text(errors="replace") for path in HERE.rglob("*") if path.suffix in {".py", ".json", ".sql", ".toml"}
    ]
    known = "\n".join(texts)
    made = set(codes())
    assert len(made) > 150
    assert sorted(code for code in made if code not in known) == []

"""Prints the oldest versions that pyproject.toml allows, as pip takes them for constraints.

python tools/oldest.py > oldest.txt
"""

from __future__ import annotations

import re
import tomllib
from pathlib import Path

_LEAST = re.compile(r"([\w.-]+)(?:\[[\w,]+\])?\s*>=\s*([\d.]+)")


def oldest(project: dict[str, object]) -> list[str]:
    """The least version of each package that the program itself needs, extras of its own included."""
    listed: list[str] = [*project["dependencies"]]  # type: ignore[misc]
    extras: dict[str, list[str]] = project["optional-dependencies"]  # type: ignore[assignment]
    for name, packages in extras.items():
        listed += packages if name != "dev" else []
    found = [_LEAST.fullmatch(text) for text in listed]
    return [f"{match[1]}=={match[2]}" for match in found if match is not None]


if __name__ == "__main__":
    content = tomllib.loads((Path(__file__).parent.parent / "pyproject.toml").read_text("utf-8"))
    print("\n".join(oldest(content["project"])))  # noqa: T201

"""Files that are pieces of one: numbered in a row, by their names."""

from __future__ import annotations

import re
from pathlib import Path

_NUMBERED = re.compile(r"^(.*?)(\d+)$|^(.*\.[a-z]*?)([a-z]{2})$")


def follows(one: Path, other: Path) -> bool:
    """Whether two names differ only in a number, or in two letters, that is one higher in the second."""
    first, second = _NUMBERED.match(one.name), _NUMBERED.match(other.name)
    if first is None or second is None or one.parent != other.parent:
        return False
    if first[1] is not None and second[1] is not None:
        return first[1] == second[1] and int(second[2]) == int(first[2]) + 1
    if first[3] is not None and second[3] is not None:
        return first[3] == second[3] and _letters(second[4]) == _letters(first[4]) + 1
    return False


def _letters(pair: str) -> int:
    return (ord(pair[0]) - 97) * 26 + ord(pair[1]) - 97

"""Names inside a side copy: `schema.table`, told apart where SQLite would not."""

from __future__ import annotations

import xxhash

from sospes.model.entries import Name
from sospes.sql.quoting import double_quoted

RESERVED = ("sqlite_", "sospes_")
"""How no table of a backup may be called in a side copy."""


class Names:
    """Gives each thing a name that SQLite takes, the same one each time for the same backup."""

    def __init__(self, reserved: tuple[str, ...] = ()) -> None:
        self._taken: set[str] = set()
        self._reserved = reserved

    def give(self, wanted: str) -> str:
        """The wanted name, with a suffix if one that differs only in case is taken, or a prefix if reserved."""
        name = wanted
        if name.lower().startswith(self._reserved):
            name = f"held.{name}"
        if name.casefold() in self._taken or not name:
            name = f"{name}~{xxhash.xxh32_hexdigest(wanted.encode('utf-8', 'surrogatepass'))}"
        again = 1
        while name.casefold() in self._taken:  # only a damaged definition names two columns alike
            again += 1
            name = f"{wanted}~{again}"
        self._taken.add(name.casefold())
        return name


def table_name(name: Name) -> str:
    """How a table would like to be called in a side copy."""
    return f"{name.schema}.{name.name}" if name.schema is not None else name.name


def quoted(name: str) -> str:
    """A name as SQL takes it. A zero byte, which SQL can't hold, becomes its picture."""
    return double_quoted(name.replace("\0", "␀"))

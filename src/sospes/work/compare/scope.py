"""Which databases of two sides belong together, where one of them or both hold several."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from sospes.model.entries import Name
from sospes.model.errors import NotFound, UsageError
from sospes.model.findings import Finding, note
from sospes.work.compare.sides.protocol import RowSide


def scoped(
    left: RowSide, right: RowSide, wanted: tuple[str, str] | None
) -> tuple[list[Name], list[Name], list[Finding]]:
    """The tables of both sides that are compared, and what is to be said of the others.

    `wanted` names a database of the left side and one of the right. Raises NotFound for a name that a side doesn't
    have, UsageError where nobody can tell which databases are meant.
    """
    ours, theirs = list(left.tables), list(right.tables)
    if wanted is not None:
        return _only(ours, wanted[0], left), _only(theirs, wanted[1], right), []
    mine, its = _databases(ours), _databases(theirs)
    if len(mine) < 2 and len(its) < 2:
        return ours, theirs, list(_renamed(mine, its))
    if len(mine) > 1 and len(its) > 1:
        return ours, theirs, []
    many, single, few = (left, right, its) if len(mine) > 1 else (right, left, mine)
    known = mine if many is left else its
    name = few[0] if few else single.database_name
    if name is None or name not in known:
        raise UsageError(
            f"{many.name} holds {len(known):,} databases ({', '.join(known[:8])}), and {single.name} is one"
            + (f", {name}" if name else ""),
            "say which one with --database NAME, or NAME=OTHER where the right side has another name for it",
        )
    chosen = [table for table in many.tables if table.database == name]
    others = [other for other in known if other != name]
    left_out = len(many.tables) - len(chosen)
    notes = [
        note(
            "databases-left-out",
            f"only the database {name} was compared; {many.name} also holds {left_out:,} tables of {', '.join(others)}",
        )
    ]
    return (chosen, theirs, notes) if many is left else (ours, chosen, notes)


def _databases(names: Sequence[Name]) -> list[str]:
    return list(dict.fromkeys(name.database for name in names if name.database is not None))


def _only(names: list[Name], database: str, side: RowSide) -> list[Name]:
    known = _databases(names)
    if not known and side.database_name in {None, database}:
        return names
    if database not in known:
        raise NotFound(f"{side.name}: holds no database {database!r}", f"it has: {', '.join(known[:8]) or side.name}")
    return [name for name in names if name.database == database]


def _renamed(mine: Sequence[str], its: Sequence[str]) -> Iterator[Finding]:
    if mine and its and mine != its:
        yield note("databases-differ", f"the left side is of the database {mine[0]}, the right side of {its[0]}")

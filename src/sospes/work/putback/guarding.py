"""What of a backup would run on live, as its user, while rows go in: it is not, but for a backup that is trusted."""

from __future__ import annotations

import re
from collections.abc import Iterator
from itertools import pairwise
from typing import TYPE_CHECKING

from sospes.model.entries import Engine, Entry
from sospes.model.errors import CannotCheck
from sospes.model.kinds import Kind
from sospes.sql.lexis import Lexis
from sospes.sql.phrase import Phrase

if TYPE_CHECKING:
    from sospes.work.putback.choosing import Choice

ROUTINES = frozenset({Kind.FUNCTION, Kind.PROCEDURE, Kind.AGGREGATE})
_RUN_WHILE_FILLED = frozenset(
    {Kind.TABLE, Kind.CONSTRAINT, Kind.INDEX, Kind.DEFAULT, Kind.DOMAIN, Kind.TYPE, Kind.TABLE_SETTING}
)
"""Kinds whose expressions the server works out while rows go in."""


def hold_back_code(choice: Choice) -> None:
    """Raises CannotCheck where routines of the backup would run as the user of live while rows go in.

    The same for routines in languages that reach outside of the database, and for extensions that do.
    """
    if choice.how.trusted:
        return
    outside = [
        f"{entry.kind} {entry.name.label}"
        for entry in map(choice.entries.__getitem__, choice.chosen)
        if (entry.kind == Kind.EXTENSION and entry.name.name not in choice.dialect.extensions)
        or (entry.kind in ROUTINES and choice.dialect.way.reaches_outside(entry))
    ]
    if outside:
        raise CannotCheck(
            f"these tables need what may reach outside of the database: {', '.join(outside)}",
            "make it on live yourself, once you have read it; or give --trust-backup",
        )
    filling = [entry for entry in map(choice.entries.__getitem__, choice.chosen) if entry.kind in _RUN_WHILE_FILLED]
    called = {name for entry in filling for name in _called(entry, choice.dialect.engine)}
    if working := sorted(called & {word.decode() for word in choice.working}):
        raise CannotCheck(
            f"putting rows into these tables calls what may do more than give a value: {', '.join(working)}",
            "take them out with --out FILE, read that, and feed it by hand; or give --trust-backup",
        )
    routines = {
        entry.name.label: entry.name.name
        for entry in map(choice.entries.__getitem__, choice.chosen)
        if entry.kind in ROUTINES
    }
    if running := [label for label, name in routines.items() if name in called]:
        raise CannotCheck(
            f"rows of these tables can't go in without running code of the backup on live: {', '.join(running)}",
            "make these routines on live yourself, once you have read them; or give --trust-backup",
        )
    if coded := [entry.name.label for entry in filling if _BY_NUMBER.search(entry.definition)]:
        raise CannotCheck(
            f"names are written by the numbers of their characters, so nobody sees what is called: {coded[0]}",
            "take the table out with --out FILE, read that, and feed it by hand; or give --trust-backup",
        )


_BY_NUMBER = re.compile(rb"\bu&\"", re.I)


def _called(entry: Entry, engine: Engine) -> Iterator[str]:
    """The names of functions that a definition calls, however they are written."""
    tokens = Phrase(entry.definition, Lexis(engine, encoding=entry.encoding)).tokens
    for one, following in pairwise(tokens):
        if following.word == "(" and one.kind in {"word", "name"}:
            yield one.text if one.kind == "name" else one.text.lower()

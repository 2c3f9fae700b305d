"""Which kinds of MariaDB's and MySQL's statements may run on a side copy; never decided by a pattern of text."""

from __future__ import annotations

from sospes.engines.leave import Kinds, Leave, by_kind, words_of
from sospes.model.entries import Entry

_KINDS: Kinds = {
    Leave.RESTORER: frozenset(
        "setting table sequence view trigger event function procedure index data transaction constraint comment".split()
    )
    | {"sequence value", "table setting", "package body"},
    Leave.OURS: frozenset({"database", "use"}),
    Leave.PASSED_OVER: frozenset({"account", "grant", "replication", "lock"}),
}

_DROPPED = tuple(
    b"drop " + what for what in b"table view sequence trigger function procedure event index temporary".split()
)
"""Stand-ins for views are dropped before the views are made, and what is about to be made anew."""


def leave_of(entry: Entry) -> Leave:
    """What may become of a statement; what is not known is refused."""
    words = words_of(entry, 200)
    if entry.kind in {"ownership", "alteration"} and words.startswith(b"alter database"):
        return Leave.OURS  # character sets, said anew around routines
    if entry.kind == "setting" and words.startswith(b"set role"):
        return Leave.PASSED_OVER
    if entry.kind == "drop":
        return Leave.RESTORER if words.startswith(_DROPPED) else Leave.PASSED_OVER
    return by_kind(_KINDS, entry)

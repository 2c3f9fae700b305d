"""Which kinds of MariaDB's and MySQL's statements may run on a side copy; never decided by a pattern of text."""

from __future__ import annotations

from sospes.engines.leave import Kinds, Leave, by_kind, words_of
from sospes.model.entries import Entry
from sospes.model.kinds import Kind

_KINDS: Kinds = {
    Leave.RESTORER: Kind.these(
        "setting, table, sequence, view, trigger, event, function, procedure, index, data, transaction, constraint, "
        "comment, sequence value, table setting, package body"
    ),
    Leave.OURS: Kind.these("database, use"),
    Leave.PASSED_OVER: Kind.these("account, grant, replication, lock"),
}

_DROPPED = tuple(
    b"drop " + what for what in b"table view sequence trigger function procedure event index temporary".split()
)
"""Stand-ins for views are dropped before the views are made, and what is about to be made anew."""


def leave_of(entry: Entry) -> Leave:
    """What may become of a statement; what is not known is refused."""
    words = words_of(entry, 200)
    if entry.kind in {Kind.OWNERSHIP, Kind.ALTERATION} and words.startswith(b"alter database"):
        return Leave.OURS  # character sets, said anew around routines
    if entry.kind == Kind.SETTING and words.startswith(b"set role"):
        return Leave.PASSED_OVER
    if entry.kind == Kind.DROP:
        return Leave.RESTORER if words.startswith(_DROPPED) else Leave.PASSED_OVER
    return by_kind(_KINDS, entry)

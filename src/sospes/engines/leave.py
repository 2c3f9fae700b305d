"""What may become of a backup's statement on a side copy."""

from __future__ import annotations

import re
from enum import StrEnum

from sospes.model.entries import Entry
from sospes.model.kinds import Kind


class Leave(StrEnum):
    """What may become of a statement."""

    RESTORER = "run without superuser rights"
    ADMINISTRATOR = "run as the server's first user: it changes the catalog and runs nobody's code"
    LAST = "run as the server's first user, once all else was restored and checked: owners, rights, event triggers"
    OURS = "done by Sospes itself, in its own way"
    PASSED_OVER = "not needed on a side copy"
    REFUSED = "reaches outside of the side copy"


Kinds = dict[Leave, frozenset[Kind]]
"""Which kinds of statements have which leave."""

_CONDITION = re.compile(rb"^\s*/\*M?!\d*\s*")
"""How a conditional comment of MariaDB begins; what is in it runs."""


def by_kind(kinds: Kinds, entry: Entry) -> Leave:
    """The leave of an entry's kind; what is not known is refused."""
    return next((leave for leave, known in kinds.items() if entry.kind in known), Leave.REFUSED)


def words_of(entry: Entry, most: int) -> bytes:
    """The first `most` bytes of a statement in small letters, with single blanks."""
    return b" ".join(_CONDITION.sub(b"", entry.definition[:most]).lower().split())

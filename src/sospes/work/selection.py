"""Which tables are meant by the names that a person gave."""

from __future__ import annotations

import difflib
from collections.abc import Collection, Iterable, Sequence
from itertools import islice

from sospes.model.entries import Name
from sospes.model.errors import NotFound, UsageError


class Selection:
    """Tables by name: `table`, `schema.table`, `database.table` or `database.schema.table`.

    Exact names: `seed` is not `seed_lot`. Whether each name means one table shows once all tables were seen.
    """

    def __init__(self, wanted: Sequence[str]) -> None:
        self.wanted = tuple(wanted)
        self._seen: dict[Name, None] = {}

    def __call__(self, name: Name) -> bool:
        """Whether a table is wanted; all are if no names were given."""
        return not self.wanted or any(means(text, name) for text in self.wanted)

    def see(self, names: Iterable[Name]) -> None:
        """Hear of tables that the backup has."""
        self._seen.update(dict.fromkeys(names))

    def settle(self) -> list[Name]:
        """The tables that were meant, in the backup's order.

        Raises NotFound for a name that no table has, UsageError for one that several have.
        """
        for text in self.wanted:
            found = [name for name in self._seen if means(text, name)]
            if not found:
                raise NotFound(f"no table is called {text!r} in this backup", near(text, self._seen))
            if len(found) > 1:
                raise ambiguous(text, found)
        return [name for name in self._seen if self(name)]


def ambiguous(text: str, found: Iterable[Name]) -> UsageError:
    """The error for a name that several tables have."""
    listed = ", ".join(name.full_label for name in found)
    return UsageError(f"{text!r} is ambiguous: {listed}", "write the name with what stands before its dot")


def near(text: str, seen: Collection[Name]) -> str:
    """What to say to a name that no table has: some that are like it, or some that there are."""
    labels = {label: name.full_label for name in seen for label in (name.name, name.label, name.full_label)}
    folded = {label.casefold(): full for label, full in labels.items()}
    found = difflib.get_close_matches(text.casefold(), folded, n=4, cutoff=0.6)
    if found:
        return f"did you mean {', '.join(dict.fromkeys(folded[label] for label in found))}?"
    some = ", ".join(name.full_label for name in islice(seen, 8))
    return f"it has: {some}" if some else "it has no tables"


def means(text: str, name: Name) -> bool:
    """Whether a person who writes `text` may mean this table."""
    spellings = {name.name, name.label, name.full_label}
    if name.database is not None:
        spellings.add(f"{name.database}.{name.name}")
    return text in spellings

"""What restores on servers tell alike, whatever the engine."""

from __future__ import annotations

from sospes.engines.statements import no_longer
from sospes.model.entries import Entry
from sospes.model.errors import CannotCheck
from sospes.model.findings import Finding, Place, doubt
from sospes.sides.servers.address import Address


def place_of(entry: Entry) -> Place:
    """Where a statement stands, and what it is about."""
    about = entry.subject
    return Place(
        plain_from=entry.plain_from or None, plain_to=entry.plain_to or None, line=entry.line or None,
        database=entry.name.database, schema=about.schema, table=entry.about.name if entry.about else None,
    )  # fmt: skip


def refusal(entry: Entry, message: str) -> Finding:
    """What is said of a statement that is not run."""
    advice = "what it does was not rehearsed; look at it, and restore it by hand where it is meant"
    return doubt("statement-refused", message, advice, place_of(entry))


def could_not_go_on(said: str) -> CannotCheck:
    """A server's error that says nothing of the backup, in the server's own words."""
    return CannotCheck(
        f"the server could not go on: {said[:300]}",
        "see to its space, memory and log, then run this again; of the backup nothing is proven by this run",
    )


def not_as_seen(address: Address, number: int, rows: int) -> CannotCheck:
    """Rows that live changed meanwhile; `number` counts all rows of the script up to and with these."""
    return taken_back(address, f"{no_longer(number, rows).decode()}, as the script counts them")


def taken_back(address: Address, why: str, hint: str = "compare again, and mend what is found then") -> CannotCheck:
    """A script that ended without a change, and why."""
    return CannotCheck(f"{address.label}: nothing was changed: {why}", hint)


AGAIN = "see to that, then run this again: nothing of it is there"
"""What to do where a table could not be put back."""

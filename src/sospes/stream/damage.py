"""What can be wrong with a container, in words."""

from __future__ import annotations

from sospes.model.findings import Finding, Place, doubt, fault, note


def foreign(name: str, data: bytes, stored_from: int) -> Finding:
    """Bytes behind a container's data that don't belong to it."""
    return doubt(
        "trailing-bytes",
        f"after the {name} data come bytes that do not belong to it: {data[:40]!r}",
        "find out what wrote them: a backup program's error message, or a second file glued on",
        Place(stored_from=stored_from),
    )


def cut_short(name: str, stored_to: int, plain_to: int) -> Finding:
    """The stored bytes end inside of a member."""
    return fault(
        "truncated",
        f"the {name} data end in mid-member after {stored_to:,} stored bytes",
        "the file was cut off: copy it again, or take the backup again",
        Place(stored_from=stored_to, stored_to=stored_to, plain_from=plain_to),
    )


def several(name: str, members: int) -> Finding:
    """More than one member in a row, which is fine."""
    return note("several-members", f"{members:,} {name} members in a row")

"""Which objects besides rows differ between two sides, and what is said of that."""

from __future__ import annotations

import re
from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass

from sospes.model.entries import joined
from sospes.model.findings import Finding, Place, fault, note, some
from sospes.model.objects import DatabaseObject, ObjectKey, Objects, Unlike, unlike_objects
from sospes.work.compare.sides.protocol import ObjectSide, RowSide

MOST_TOLD = 20
_BACK = "to have it back: sospes mend LEFT RIGHT --objects --out FILE; --rows-only leaves objects out"
_LACKING = "a restore would lack it: have the backup program take it as well; --rows-only leaves objects out"
_OF_TABLES = frozenset({"column", "default", "index", "constraint", "trigger", "rule", "policy", "grant"})
_WORDED = frozenset({"view", "materialized view", "rule", "index", "constraint", "default", "trigger"})
"""Kinds whose definitions a server words in its own way, which changes from one major version to the next."""

_OF_ACCOUNTS = frozenset({"grant", "role", "owner"})
"""What a side copy on a server in use is made without."""

_TARGET = re.compile(r'\bREFERENCES ((?:"(?:[^"]|"")+"|[^\s."(]+)\.(?:"(?:[^"]|"")+"|[^\s."(]+))\s*\(')
_OPTIONAL = {"grant": "rights", "comment": "comments", "large object": "large objects"}
"""Kinds that a backup may be told to leave out as a whole."""


@dataclass(frozen=True, slots=True, kw_only=True)
class ObjectDifference:
    """An object that one side lacks or has otherwise; `state` is 'only-left', 'only-right' or 'changed'."""

    kind: str
    schema: str | None
    name: str
    about: str | None
    state: str


def object_sides(left: RowSide, right: RowSide, *, every: bool) -> tuple[ObjectSide, ObjectSide] | None:
    """The objects of both sides, `every` one or what belongs to tables.

    None where one of them can't have any, or the engines differ.
    """
    if left.engine is None or right.engine is None or left.engine.family is not right.engine.family:
        return None
    one = left.objects_of(right.database_name if right.live else None, every=every)
    other = right.objects_of(left.database_name if left.live else None, every=every)
    return (one, other) if one is not None and other is not None else None


@dataclass(frozen=True, slots=True)
class Scope:
    """What is looked at.

    tables   schema and name of the only tables whose objects count; None for all objects
    columns  schema, table and name of columns that were told of before, or that are left out
    """

    tables: frozenset[tuple[str, str]] | None
    columns: frozenset[tuple[str, str, str]]

    def has(self, item: Unlike, unnamed: frozenset[tuple[str, str]]) -> bool:
        """Whether a difference is to be told: tables were told before, and some constraints have no own name."""
        key = item.key
        if key.kind == "table" or (key.kind == "column" and (key.schema, key.about, key.name) in self.columns):
            return False
        if item.state != "changed" and key.kind in {"constraint", "index"} and (key.schema, key.about) in unnamed:
            return False
        if self.tables is None:
            return True
        return key.kind in _OF_TABLES and (key.schema, key.name if key.kind == "grant" else key.about) in self.tables


def differing_objects(left: ObjectSide, right: ObjectSide, scope: Scope) -> tuple[list[Unlike], list[Finding]]:
    """What differs, and notes on what could not be compared."""
    notes: list[Finding] = []
    one, other = dict(left.found), dict(right.found)
    if left.is_side_copy or right.is_side_copy:
        if any(key.kind == "grant" for key in (*one, *other)):
            notes.append(note("rights-left-out", "rights were not compared: one side is a side copy, made without any"))
        one, other = _without(one, _OF_ACCOUNTS), _without(other, _OF_ACCOUNTS)
    if not all(any(key.kind == "role" for key in side) for side in (one, other)):
        one, other = _without(one, {"role"}), _without(other, {"role"})
    notes += _owners(one, other)
    for kind, word in _OPTIONAL.items():
        for side, mine, theirs in ((left, one, other), (right, other, one)):
            count = sum(key.kind == kind for key in theirs)
            if side.is_backup and count and not any(key.kind == kind for key in mine):
                notes.append(note("objects-left-out", f"the backup holds no {word}; the other side has {count:,}"))
                for key in [key for key in theirs if key.kind == kind]:
                    del theirs[key]
    if unseen := left.unseen | right.unseen:
        notes.append(
            note(
                "objects-unseen",
                f"this user may not see every {', '.join(sorted(unseen))}, so these were not compared",
                "docs/servers.md shows the rights that are needed",
            )
        )
        one = {key: item for key, item in one.items() if key.kind not in unseen}
        other = {key: item for key, item in other.items() if key.kind not in unseen}
    if left.major != right.major:
        versions = f"{left.major or 'unknown'} and {right.major or 'unknown'}"
        for side_objects in (one, other):
            side_objects.update({key: DatabaseObject() for key in side_objects if key.kind in _WORDED})
        notes.append(
            note(
                "objects-by-name",
                f"the sides are of different versions ({versions}), which word definitions differently: views, "
                "indexes, constraints and triggers were compared by name",
            )
        )
    unnamed = left.unnamed | right.unnamed
    found = [item for item in unlike_objects(one, other) if scope.has(item, unnamed)]
    return [item for item in found if not _refers_outside(item, left.found, right.found)], notes


def _without(found: Objects, kinds: Collection[str]) -> dict[ObjectKey, DatabaseObject]:
    return {key: item for key, item in found.items() if key.kind not in kinds}


def _owners(one: dict[ObjectKey, DatabaseObject], other: dict[ObjectKey, DatabaseObject]) -> Iterator[Finding]:
    """Take owners out of both sides, and tell of those that differ: whose an object is changes nothing in it."""
    found = []
    for key in [key for key in (*one, *other) if key.kind == "owner"]:
        mine, theirs = one.pop(key, None), other.pop(key, None)
        if mine is not None and theirs is not None and mine.texts != theirs.texts:
            name = joined(key.schema, key.name)
            found.append(f"{name} ({mine.texts[0]}, {theirs.texts[0]})")
    if found:
        yield note("owners-differ", f"objects belong to other roles (left, right): {some(found, 5)}")


def _refers_outside(item: Unlike, left: Objects, right: Objects) -> bool:
    """Whether a side lacks a reference since it has no table to refer to: it is a part of a database, an extract."""
    if item.key.kind != "constraint" or item.state == "changed":
        return False
    having, lacking = (left, right) if item.state == "only-left" else (right, left)
    tables = [key for key in lacking if key.kind == "table"]
    for text in having[item.key].texts:
        target = _TARGET.search(text)
        if target is not None:
            return target[1].replace('"', "") not in {f"{key.schema}.{key.name}".replace('"', "") for key in tables}
        if not item.key.schema:  # MariaDB's have the name of the table that they refer to
            return text not in {key.name for key in tables}
    return False


def told(items: Sequence[Unlike], left: str, right: str) -> Iterator[Finding]:
    """One finding for each object, up to some."""
    for item in items[:MOST_TOLD]:
        key = item.key
        place = Place(schema=key.schema or None, table=key.about or None) if key.kind in _OF_TABLES else Place()
        if item.state == "changed":
            yield fault(
                "object-changed",
                f"{key.label} is defined in one way in {left}, in another in {right}",
                "look at both definitions; if that is meant, leave objects out with --rows-only",
                place,
            )
            continue
        here, there, advice = (left, right, _BACK) if item.state == "only-left" else (right, left, _LACKING)
        yield fault("object-missing", f"{key.label} is in {here}, and not in {there}", advice, place)
    if len(items) > MOST_TOLD:
        yield fault(
            "object-missing",
            f"{len(items) - MOST_TOLD:,} more objects are missing on one side or differ",
            "all are in --json, under objects",
        )


def restored_objects(backup: Objects, side: Objects) -> list[Unlike]:
    """Objects that the backup defines and a restored side copy lacks."""
    kinds = {key.kind for key in side}
    wanted = {key: item for key, item in backup.items() if key.kind not in _OPTIONAL or key.kind in kinds}
    wanted = _without(wanted, {"role", "owner"})
    return [item for item in unlike_objects(wanted, side) if item.state == "only-left"]


def listed_objects(items: Sequence[Unlike]) -> tuple[ObjectDifference, ...]:
    """All differences, for programs."""
    return tuple(
        ObjectDifference(
            kind=item.key.kind, schema=item.key.schema or None, name=item.key.name, about=item.key.about or None,
            state=item.state,
        )
        for item in items
    )  # fmt: skip

"""Says which of a backup's definitions bring tables back, given what is there, and in which order."""

from __future__ import annotations

import re
from collections.abc import Collection, Sequence
from dataclasses import dataclass, field

from sospes.engines.dialect import Dialect
from sospes.model.entries import ConstraintKind, Entry, Name
from sospes.model.errors import UsageError
from sospes.model.findings import Finding, Place, doubt, note, some
from sospes.model.kinds import Kind
from sospes.model.objects import ObjectKey, Objects
from sospes.work.putback.collecting import DEPENDANTS, NEEDED, WORD, Collector
from sospes.work.putback.guarding import ROUTINES, hold_back_code

_KEEPS = "leave it out, or bring back that table as well"


@dataclass(frozen=True, slots=True, kw_only=True)
class Wanting:
    """What is to come back, and how.

    new_name         what the one table is called beside the one that is there; None where it is gone
    with_dependants  whether what fell with the tables comes back, too
    trusted          whether routines of the backup may run while rows go in
    """

    new_name: str | None = None
    with_dependants: bool = False
    trusted: bool = False


@dataclass(slots=True)
class Choice:
    """What comes back, and what is told of it.

    working   names of live's own functions that do more than work out a value
    chosen    entries by their place in the collection, and why they come back
    referred  places of entries with keys of other tables, which fell with those that they refer to
    """

    collected: Collector
    dialect: Dialect
    live: Objects
    how: Wanting
    working: frozenset[bytes] = frozenset()
    chosen: dict[int, str] = field(default_factory=dict)
    referred: list[int] = field(default_factory=list)
    findings: list[Finding] = field(default_factory=list)
    _keys: dict[int, list[ObjectKey]] = field(default_factory=dict)
    _spoken: dict[int, frozenset[bytes]] = field(default_factory=dict)

    def settle(self) -> None:
        """Choose. Raises UsageError for a table that is there, CannotCheck where code of the backup would run."""
        if self.how.new_name is not None:
            self._beside(self.how.new_name)
            return
        for name in self.tables:
            if self._is_there("table", name) or self._is_there("view", name):
                raise UsageError(
                    f"{name.label}: is there already, and a table that exists is never written to",
                    "give --new-name NAME to have the backup's rows beside it; sospes mend brings single rows back",
                )
        for place, entry in enumerate(self.entries):
            if entry.kind != Kind.SETTING and self._is_of_tables(entry):
                self.chosen[place] = "table"
        self._references()
        self._parts()
        self._dependants()
        owned = self._owners()
        self._needed()
        self._values(owned)
        self._words()
        self._tell_joined()
        hold_back_code(self)

    @property
    def tables(self) -> list[Name]:
        """The tables that come back, in the backup's order."""
        return list(self.collected.rows)

    @property
    def entries(self) -> Sequence[Entry]:
        """What was collected, in stored order."""
        return self.collected.entries

    def keys(self, place: int) -> list[ObjectKey]:
        """The objects that an entry defines."""
        if place not in self._keys:
            self._keys[place] = [key for key, _ in self.dialect.objects_of(self.entries[place])]
        return self._keys[place]

    def _is_there(self, kind: str, name: Name) -> bool:
        return ObjectKey(kind, name.schema or "", name.name) in self.live

    def _is_missing(self, place: int) -> bool:
        """Whether live surely has none of what an entry defines."""
        keys = self.keys(place)
        return bool(keys) and not any(key in self.live for key in keys)

    def _beside(self, new_name: str) -> None:
        """The one table with its keys, checks and indexes, under another name."""
        [table] = self.tables[:1]
        if len(self.tables) > 1:
            raise UsageError(
                f"{table.label} has parts of its own ({len(self.tables) - 1:,}), which can't be put beside it",
                "name one of its parts, or extract it into a side copy with --into FILE",
            )
        name = Name(table.database, table.schema, new_name)
        if any(self._is_there(kind, name) for kind in ("table", "view", "sequence", "materialized view")):
            raise UsageError(f"{name.label}: is there already", "give another name with --new-name NAME")
        left: list[str] = []
        for place, entry in enumerate(self.entries):
            foreign = any(constraint.kind is ConstraintKind.FOREIGN for constraint in entry.constraints)
            if (entry.kind == Kind.TABLE and entry.name == table) or (
                entry.about == table and entry.kind in {Kind.CONSTRAINT, Kind.INDEX} and not foreign
            ):
                self.chosen[place] = "table"
            elif entry.about == table and entry.kind in {Kind.TRIGGER, Kind.POLICY, Kind.RULE, Kind.CONSTRAINT}:
                left.append(f"{entry.kind} {entry.name.name}")
        self._needed()
        hold_back_code(self)
        if left:
            self.findings.append(
                note(
                    "rows-beside",
                    f"{name.label} has the rows, keys, checks and indexes; left out: {', '.join(left[:8])}",
                    "it is for looking and for taking rows from; drop it when you are done",
                )
            )

    def _is_of_tables(self, entry: Entry) -> bool:
        """Whether an entry makes one of the tables, or belongs to one."""
        if entry.kind == Kind.TABLE:
            return entry.name in self.collected.rows
        if entry.kind in {Kind.COMMENT, Kind.GRANT, Kind.OWNERSHIP, Kind.SEQUENCE_OWNER, Kind.SEQUENCE_VALUE}:
            return False
        if entry.kind == Kind.ATTACH:
            return self._attaches(entry)
        return entry.about in self.collected.rows

    def _tell_joined(self) -> None:
        """Parts that live's own tables get, and keys: what live has is no longer as it was."""
        joined = [
            f"{self.entries[place].subject.label} becomes a part of {parent.label}"
            for place in self.chosen
            for parent in self.entries[place].parents
            if parent not in self.collected.rows
        ]
        joined += [
            f"{entry.subject.label} refers to these tables again"
            for entry in map(self.entries.__getitem__, self.referred)
        ]
        if joined:
            self.findings.append(
                note("joins-live", f"tables of live are concerned: {'; '.join(joined[:8])}", "--dry-run shows how")
            )

    def _attaches(self, entry: Entry) -> bool:
        """Whether a part is put to its whole: the other one of the two comes back as well, or is there."""
        child = entry.subject
        both = (child, *entry.parents)
        back = [name in self.collected.rows for name in both]
        return any(back) and all(comes or self._is_there("table", name) for comes, name in zip(back, both, strict=True))

    @property
    def keyed(self) -> set[Name]:
        """The names of keys and indexes that come back."""
        return {
            self.entries[place].name
            for place in self.chosen
            if self.entries[place].kind in {Kind.INDEX, Kind.CONSTRAINT}
        }

    def _parts(self) -> None:
        """Indexes of parts that are put to the index of their whole."""
        made = {name.name.encode() for name in self.keyed}
        for place, entry in enumerate(self.entries):
            if entry.kind == Kind.ATTACH and not entry.parents and self.mentions(place, made):
                self.chosen[place] = "table"

    def _references(self) -> None:
        """Keys of the tables to others that are there or come back; keys of others to them that fell with them."""
        for place, entry in enumerate(self.entries):
            for constraint in entry.constraints:
                parent = constraint.references
                about = entry.subject
                if constraint.kind is not ConstraintKind.FOREIGN or parent is None:
                    continue
                comes, known = about in self.collected.rows, parent in self.collected.rows
                if comes and not known and not self._is_there("table", parent):
                    self._leave_out(place, constraint.name, about, parent)
                elif known and not comes and self._is_there("table", about):
                    key = ObjectKey("constraint", about.schema or "", constraint.name, about.name)
                    if key.name and key not in self.live:
                        self.referred.append(place)

    def _leave_out(self, place: int, name: str, about: Name, parent: Name) -> None:
        """A key to a table that is gone, too."""
        if self.entries[place].kind != Kind.TABLE:
            self.chosen.pop(place, None)
        self.findings.append(
            doubt(
                "reference-left-out",
                f"{about.label}: its key {name} refers to {parent.label}, which is not there",
                _KEEPS,
                Place(database=about.database, schema=about.schema, table=about.name),
            )
        )

    def _dependants(self) -> None:
        """Views and routines that live lacks and that speak of what comes back."""
        waiting = [
            place
            for place, entry in enumerate(self.entries)
            if entry.kind in DEPENDANTS and place not in self.chosen and self._is_missing(place)
        ]
        names = {name.name.encode() for name in self.tables}
        fallen: list[int] = []
        while found := [place for place in waiting if self.mentions(place, names)]:
            fallen += found
            waiting = [place for place in waiting if place not in found]
            names |= {self.entries[place].name.name.encode() for place in found}
        if not self.how.with_dependants:
            labels = list(
                dict.fromkeys(f"{self.entries[place].kind} {self.entries[place].name.label}" for place in fallen)
            )
            if labels:
                self.findings.append(
                    note(
                        "dependants-missing",
                        f"live also lacks what speaks of these tables: {some(labels, 8)}",
                        "give --with-dependants to bring that back as well",
                    )
                )
            return
        made = {self.entries[place].name for place in fallen}
        for place, entry in enumerate(self.entries):
            if place in fallen or (entry.about in made and entry.kind in {Kind.TRIGGER, Kind.RULE, Kind.INDEX}):
                self.chosen[place] = "dependant"
            elif entry.kind in {Kind.POLICY, Kind.DEFAULT} and entry.about not in self.collected.rows:
                there = entry.about is not None and self._is_there("table", entry.about)
                if there and self._is_missing(place) and self.mentions(place, names):
                    self.chosen[place] = "dependant"

    def mentions(self, place: int, names: Collection[bytes]) -> bool:
        """Whether an entry's definition holds one of some names, as a word of its own."""
        return not self.said(place).isdisjoint(names)

    def said(self, place: int) -> frozenset[bytes]:
        """All words and names in an entry's definition, those in its strings and bodies as well."""
        if place not in self._spoken:
            found = WORD.findall(self.entries[place].definition)
            bare = {word.strip(b'"`') for word in found}
            folded = {word.lower() for word in found if word[:1] not in b'"`'}  # as servers fold what isn't quoted
            self._spoken[place] = frozenset(bare | folded)
        return self._spoken[place]

    def _needed(self) -> None:
        """What entries that come back are made of and live lacks, and what that is made of in turn."""
        by_word: dict[bytes, list[int]] = {}
        for place, entry in enumerate(self.entries):
            if entry.kind in NEEDED and place not in self.chosen and self._is_missing(place):
                by_word.setdefault(entry.name.name.encode(), []).append(place)
        waiting = list(self.chosen)
        while waiting:
            for word in self.said(waiting.pop()) & by_word.keys():
                for place in by_word.pop(word):
                    self.chosen[place] = "needed"
                    waiting.append(place)

    def _owners(self) -> set[Name]:
        """The sequences that belong to columns of the tables."""
        owned = set()
        for place, entry in enumerate(self.entries):
            if entry.kind == Kind.SEQUENCE_OWNER and entry.about in self.collected.rows:
                self.chosen[place] = "table"
                owned.add(entry.name)
        for place, entry in enumerate(self.entries):
            if entry.kind == Kind.SEQUENCE and entry.name in owned and self._is_missing(place):
                self.chosen[place] = "needed"
        return owned

    def _values(self, owned: set[Name]) -> None:
        """Values of sequences that come back with a table, or that are still there and are taken up."""
        mine = set(owned)
        for place in self.chosen:
            if self.entries[place].kind in {Kind.SEQUENCE, Kind.IDENTITY}:
                mine.add(self.entries[place].name)
        spoken = {
            word
            for place in self.chosen
            if self.entries[place].kind in {Kind.DEFAULT, Kind.TABLE}
            for word in self.said(place)
        }
        for place, entry in enumerate(self.entries):
            if entry.kind == Kind.SEQUENCE_VALUE:
                if entry.name in mine and not self._is_there("sequence", entry.name):
                    self.chosen[place] = "table"
                elif self._is_there("sequence", entry.name) and (
                    entry.name in mine or entry.name.name.encode() in spoken
                ):
                    self.chosen[place] = "taken up"

    def _words(self) -> None:
        """Comments, rights and owners of all that comes back; filling of stored views."""
        made: set[tuple[str, str]] = {(name.schema or "", name.name) for name in (*self.tables, *self.keyed)}
        made |= {
            (self.entries[place].name.schema or "", self.entries[place].name.name)
            for place, why in self.chosen.items()
            if why != "taken up" and self.entries[place].kind in NEEDED | DEPENDANTS | {Kind.IDENTITY}
        }
        roles = {key.name for key in self.live if key.kind == "role"}
        strangers: set[str] = set()
        for place, entry in enumerate(self.entries):
            if entry.kind in {Kind.COMMENT, Kind.GRANT, Kind.OWNERSHIP} and self._is_said_of(place, made):
                lacking = self._unknown_roles(place, roles)
                strangers |= lacking
                if not lacking:
                    self.chosen[place] = "words"
        if strangers:
            self.findings.append(
                note(
                    "roles-missing",
                    f"rights and owners of roles that this server hasn't were left out: {', '.join(sorted(strangers))}",
                    "make the roles, and grant what they need",
                )
            )
        self._fillings()

    def _is_said_of(self, place: int, made: set[tuple[str, str]]) -> bool:
        """Whether a comment, right or owner is of something that comes back."""
        entry = self.entries[place]
        if entry.kind != Kind.COMMENT and _MANY.search(entry.definition):
            return False  # rights to several things, of which some may be live's own
        if entry.about is not None and entry.about in self.collected.rows:
            return True
        return any(settled(key) in made for key in self.keys(place))

    def _unknown_roles(self, place: int, roles: set[str]) -> set[str]:
        """Roles that an entry names and live hasn't, where it is known which ones live has."""
        if not roles:
            return set()
        named: set[str] = set()
        for key, item in self.dialect.objects_of(self.entries[place]):
            if key.kind == "grant" and key.about != "public":
                named.add(key.about)
            elif key.kind == "owner":
                named |= set(item.texts)
        return named - roles

    def _fillings(self) -> None:
        """Stored views are filled by running their queries: only of a backup that is trusted."""
        stored = {
            self.entries[place].name.name.encode(): self.entries[place].name
            for place in self.chosen
            if self.entries[place].kind == Kind.MATERIALIZED_VIEW
        }
        empty = []
        for place, entry in enumerate(self.entries):
            if entry.kind == Kind.REFRESH and self.mentions(place, set(stored)):
                if self.how.trusted:
                    self.chosen[place] = "dependant"
                else:
                    empty += [name.label for word, name in stored.items() if self.mentions(place, {word})]
        if empty:
            self.findings.append(
                note(
                    "views-empty",
                    f"stored views come back empty: {', '.join(empty)}; filling them runs the backup's queries",
                    "look at them, then REFRESH MATERIALIZED VIEW; or give --trust-backup",
                )
            )

    def code(self) -> list[str]:
        """What comes back and will run code of the backup later."""
        return [
            f"{self.entries[place].kind} {self.entries[place].name.label}"
            for place in sorted(self.chosen)
            if self.entries[place].kind in ROUTINES | {Kind.TRIGGER, Kind.RULE, Kind.POLICY}
        ]


_MANY = re.compile(rb"\son\s[^()]*?,[^()]*?\s(?:to|from)\s", re.I)


def settled(key: ObjectKey) -> tuple[str, str]:
    """Schema and name of what a comment, a right or an owner is of."""
    if key.kind == "comment":
        kind, _, target = key.name.partition(" ")
        if kind == "materialized":
            target = target.partition(" ")[2]
        target = target.rpartition(" on ")[2] if " on " in target else target
        parts = target.replace('"', "").split(".")
        if kind == "column":
            parts = parts[:-1]
        return (parts[-2] if len(parts) > 1 else "", parts[-1]) if parts else ("", "")
    if key.kind == "grant":
        name = key.name.removesuffix("()")
        return key.schema, name
    return key.schema, key.name

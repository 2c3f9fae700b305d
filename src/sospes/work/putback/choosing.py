"""Says which of a backup's definitions bring tables back, given what is there, and in which order."""

from __future__ import annotations

import re
from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass, field

from sospes.engines.dialect import Dialect
from sospes.engines.way_back import Called, Step, WayBack
from sospes.model.entries import ConstraintKind, Entry, Name
from sospes.model.errors import CannotCheck, UsageError
from sospes.model.findings import Finding, Place, doubt, note
from sospes.model.kinds import Kind
from sospes.model.objects import ObjectKey, Objects
from sospes.sql.lexis import Lexis
from sospes.sql.renaming import outer_words
from sospes.work.putback.collecting import DEPENDANTS, NEEDED, WORD, Collector

_RUN_WHILE_FILLED = frozenset(
    {Kind.TABLE, Kind.CONSTRAINT, Kind.INDEX, Kind.DEFAULT, Kind.DOMAIN, Kind.TYPE, Kind.TABLE_SETTING}
)
"""Kinds whose expressions the server works out while rows go in."""

_ROUTINES = frozenset({Kind.FUNCTION, Kind.PROCEDURE, Kind.AGGREGATE})
_TABLES_OWN = frozenset({Kind.CONSTRAINT, Kind.INDEX, Kind.DEFAULT, Kind.IDENTITY, Kind.STATISTICS})
_BEFORE_ROWS = NEEDED | {Kind.TABLE, Kind.DEFAULT, Kind.IDENTITY, Kind.SEQUENCE_OWNER}
_HAVE_RIGHTS = frozenset({Kind.TABLE, Kind.VIEW, Kind.MATERIALIZED_VIEW, Kind.SEQUENCE})
_WORDS = frozenset({Kind.COMMENT, Kind.GRANT, Kind.OWNERSHIP})
_OPTIONAL = _WORDS | {Kind.STATISTICS, Kind.POLICY}
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
        for place, entry in enumerate(self._entries):
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
        self._hold_back_code()

    @property
    def tables(self) -> list[Name]:
        """The tables that come back, in the backup's order."""
        return list(self.collected.rows)

    @property
    def _entries(self) -> Sequence[Entry]:
        return self.collected.entries

    def keys(self, place: int) -> list[ObjectKey]:
        """The objects that an entry defines."""
        if place not in self._keys:
            self._keys[place] = [key for key, _ in self.dialect.objects_of(self._entries[place])]
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
        for place, entry in enumerate(self._entries):
            foreign = any(constraint.kind is ConstraintKind.FOREIGN for constraint in entry.constraints)
            if (entry.kind == Kind.TABLE and entry.name == table) or (
                entry.about == table and entry.kind in {Kind.CONSTRAINT, Kind.INDEX} and not foreign
            ):
                self.chosen[place] = "table"
            elif entry.about == table and entry.kind in {Kind.TRIGGER, Kind.POLICY, Kind.RULE, Kind.CONSTRAINT}:
                left.append(f"{entry.kind} {entry.name.name}")
        self._needed()
        self._hold_back_code()
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
            f"{(self._entries[place].about or self._entries[place].name).label} becomes a part of {parent.label}"
            for place in self.chosen
            for parent in self._entries[place].parents
            if parent not in self.collected.rows
        ]
        joined += [
            f"{(entry.about or entry.name).label} refers to these tables again"
            for entry in map(self._entries.__getitem__, self.referred)
        ]
        if joined:
            self.findings.append(
                note("joins-live", f"tables of live are concerned: {'; '.join(joined[:8])}", "--dry-run shows how")
            )

    def _attaches(self, entry: Entry) -> bool:
        """Whether a part is put to its whole: the other one of the two comes back as well, or is there."""
        child = entry.about or entry.name
        both = (child, *entry.parents)
        back = [name in self.collected.rows for name in both]
        return any(back) and all(comes or self._is_there("table", name) for comes, name in zip(back, both, strict=True))

    @property
    def keyed(self) -> set[Name]:
        """The names of keys and indexes that come back."""
        return {
            self._entries[place].name
            for place in self.chosen
            if self._entries[place].kind in {Kind.INDEX, Kind.CONSTRAINT}
        }

    def _parts(self) -> None:
        """Indexes of parts that are put to the index of their whole."""
        made = {name.name.encode() for name in self.keyed}
        for place, entry in enumerate(self._entries):
            if entry.kind == Kind.ATTACH and not entry.parents and self._mentions(place, made):
                self.chosen[place] = "table"

    def _references(self) -> None:
        """Keys of the tables to others that are there or come back; keys of others to them that fell with them."""
        for place, entry in enumerate(self._entries):
            for constraint in entry.constraints:
                parent = constraint.references
                about = entry.about or entry.name
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
        if self._entries[place].kind != Kind.TABLE:
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
            for place, entry in enumerate(self._entries)
            if entry.kind in DEPENDANTS and place not in self.chosen and self._is_missing(place)
        ]
        names = {name.name.encode() for name in self.tables}
        fallen: list[int] = []
        while found := [place for place in waiting if self._mentions(place, names)]:
            fallen += found
            waiting = [place for place in waiting if place not in found]
            names |= {self._entries[place].name.name.encode() for place in found}
        if not self.how.with_dependants:
            labels = list(
                dict.fromkeys(f"{self._entries[place].kind} {self._entries[place].name.label}" for place in fallen)
            )
            if labels:
                self.findings.append(
                    note(
                        "dependants-missing",
                        f"live also lacks what speaks of these tables: {', '.join(labels[:8])}"
                        + (f" and {len(labels) - 8:,} more" if len(labels) > 8 else ""),
                        "give --with-dependants to bring that back as well",
                    )
                )
            return
        made = {self._entries[place].name for place in fallen}
        for place, entry in enumerate(self._entries):
            if place in fallen or (entry.about in made and entry.kind in {Kind.TRIGGER, Kind.RULE, Kind.INDEX}):
                self.chosen[place] = "dependant"
            elif entry.kind in {Kind.POLICY, Kind.DEFAULT} and entry.about not in self.collected.rows:
                there = entry.about is not None and self._is_there("table", entry.about)
                if there and self._is_missing(place) and self._mentions(place, names):
                    self.chosen[place] = "dependant"

    def _mentions(self, place: int, names: Collection[bytes]) -> bool:
        """Whether an entry's definition holds one of some names, as a word of its own."""
        return not self._said(place).isdisjoint(names)

    def _said(self, place: int) -> frozenset[bytes]:
        """All words and names in an entry's definition, those in its strings and bodies as well."""
        if place not in self._spoken:
            found = WORD.findall(self._entries[place].definition)
            self._spoken[place] = frozenset(word.strip(b'"`') for word in found)
        return self._spoken[place]

    def _needed(self) -> None:
        """What entries that come back are made of and live lacks, and what that is made of in turn."""
        by_word: dict[bytes, list[int]] = {}
        for place, entry in enumerate(self._entries):
            if entry.kind in NEEDED and place not in self.chosen and self._is_missing(place):
                by_word.setdefault(entry.name.name.encode(), []).append(place)
        waiting = list(self.chosen)
        while waiting:
            for word in self._said(waiting.pop()) & by_word.keys():
                for place in by_word.pop(word):
                    self.chosen[place] = "needed"
                    waiting.append(place)

    def _owners(self) -> set[Name]:
        """The sequences that belong to columns of the tables."""
        owned = set()
        for place, entry in enumerate(self._entries):
            if entry.kind == Kind.SEQUENCE_OWNER and entry.about in self.collected.rows:
                self.chosen[place] = "table"
                owned.add(entry.name)
        for place, entry in enumerate(self._entries):
            if entry.kind == Kind.SEQUENCE and entry.name in owned and self._is_missing(place):
                self.chosen[place] = "needed"
        return owned

    def _values(self, owned: set[Name]) -> None:
        """Values of sequences that come back with a table, or that are still there and are taken up."""
        mine = set(owned)
        for place in self.chosen:
            if self._entries[place].kind in {Kind.SEQUENCE, Kind.IDENTITY}:
                mine.add(self._entries[place].name)
        spoken = {
            word
            for place in self.chosen
            if self._entries[place].kind in {Kind.DEFAULT, Kind.TABLE}
            for word in self._said(place)
        }
        for place, entry in enumerate(self._entries):
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
            (self._entries[place].name.schema or "", self._entries[place].name.name)
            for place, why in self.chosen.items()
            if why != "taken up" and self._entries[place].kind in NEEDED | DEPENDANTS | {Kind.IDENTITY}
        }
        roles = {key.name for key in self.live if key.kind == "role"}
        strangers: set[str] = set()
        for place, entry in enumerate(self._entries):
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
        entry = self._entries[place]
        if entry.kind != Kind.COMMENT and _MANY.search(entry.definition):
            return False  # rights to several things, of which some may be live's own
        if entry.about is not None and entry.about in self.collected.rows:
            return True
        for key in self.keys(place):
            words = settled(key)
            if words in made:
                return True
        return False

    def _unknown_roles(self, place: int, roles: set[str]) -> set[str]:
        """Roles that an entry names and live hasn't, where it is known which ones live has."""
        if not roles:
            return set()
        named: set[str] = set()
        for key, item in self.dialect.objects_of(self._entries[place]):
            if key.kind == "grant" and key.about != "public":
                named.add(key.about)
            elif key.kind == "owner":
                named |= set(item.texts)
        return named - roles

    def _fillings(self) -> None:
        """Stored views are filled by running their queries: only of a backup that is trusted."""
        stored = {
            self._entries[place].name.name.encode(): self._entries[place].name
            for place in self.chosen
            if self._entries[place].kind == Kind.MATERIALIZED_VIEW
        }
        empty = []
        for place, entry in enumerate(self._entries):
            if entry.kind == Kind.REFRESH and self._mentions(place, set(stored)):
                if self.how.trusted:
                    self.chosen[place] = "dependant"
                else:
                    empty += [name.label for word, name in stored.items() if self._mentions(place, {word})]
        if empty:
            self.findings.append(
                note(
                    "views-empty",
                    f"stored views come back empty: {', '.join(empty)}; filling them runs the backup's queries",
                    "look at them, then REFRESH MATERIALIZED VIEW; or give --trust-backup",
                )
            )

    def _hold_back_code(self) -> None:
        """Raises CannotCheck where routines of the backup would run as the user of live while rows go in.

        The same for routines in languages that reach outside of the database, and for extensions that do.
        """
        if self.how.trusted:
            return
        outside = [
            f"{entry.kind} {entry.name.label}"
            for entry in map(self._entries.__getitem__, self.chosen)
            if (entry.kind == Kind.EXTENSION and entry.name.name not in self.dialect.extensions)
            or (entry.kind in _ROUTINES and self.dialect.way_back and self.dialect.way_back.reaches_outside(entry))
        ]
        if outside:
            raise CannotCheck(
                f"these tables need what may reach outside of the database: {', '.join(outside)}",
                "make it on live yourself, once you have read it; or give --trust-backup",
            )
        routines = {
            self._entries[place].name.name.encode(): self._entries[place].name
            for place in self.chosen
            if self._entries[place].kind in _ROUTINES
        }
        running = [
            name.label
            for word, name in routines.items()
            if any(
                self._entries[place].kind in _RUN_WHILE_FILLED and self._mentions(place, {word})
                for place in self.chosen
            )
        ]
        working = [
            word.decode()
            for word in self.working
            if any(self._entries[place].kind in _RUN_WHILE_FILLED and self._calls(place, word) for place in self.chosen)
        ]
        if working:
            called = ", ".join(working)
            raise CannotCheck(
                f"rows of these tables can't go in without calling what may do more than give a value: {called}",
                "take them out with --out FILE, read that, and feed it by hand; or give --trust-backup",
            )
        if running:
            raise CannotCheck(
                f"rows of these tables can't go in without running code of the backup on live: {', '.join(running)}",
                "make these routines on live yourself, once you have read them; or give --trust-backup",
            )

    def _calls(self, place: int, word: bytes) -> bool:
        """Whether an entry's definition calls a function."""
        if word not in self._said(place):
            return False
        return re.search(rb"\b" + re.escape(word) + rb"\"?\s*\(", self._entries[place].definition) is not None

    def code(self) -> list[str]:
        """What comes back and will run code of the backup later."""
        return [
            f"{self._entries[place].kind} {self._entries[place].name.label}"
            for place in sorted(self.chosen)
            if self._entries[place].kind in _ROUTINES | {Kind.TRIGGER, Kind.RULE, Kind.POLICY}
        ]

    def steps(self, called: Called) -> list[Step]:
        """What is run, in order; `called` has the names that tables bear while they are filled."""
        return list(_Steps(self, called).all())


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


@dataclass(slots=True)
class _Steps:
    """Writes the steps of a choice."""

    choice: Choice
    called: Called
    _settings: dict[str, bytes] = field(default_factory=dict)
    _shown: dict[str, bytes] = field(default_factory=dict)

    @property
    def _way(self) -> WayBack:
        assert self.choice.dialect.way_back is not None  # asked for where there is a server
        return self.choice.dialect.way_back

    def all(self) -> Iterator[Step]:
        """What rows need, the rows, what is faster or only possible behind them; parts are put to wholes in the end."""
        entries = self.choice.collected.entries
        before, behind, last, words = [], [], [], []
        for place in range(len(entries)):
            kind = entries[place].kind
            if kind == Kind.SETTING:
                before.append(place)
                behind.append(place)
            elif place not in self.choice.chosen:
                continue
            elif kind == Kind.ATTACH and not self._is_part_of_what_comes(entries[place]):
                last.append(place)
            elif kind in _WORDS:
                words.append(place)
            elif kind in _BEFORE_ROWS or self._is_part_of_what_comes(entries[place]):
                before.append(place)
            else:
                (last if any(one.references for one in entries[place].constraints) else behind).append(place)
        yield from self._steps(before)
        yield from self._rows(self.choice.tables)
        yield from self._steps(behind)
        yield from self._steps(sorted(last, key=self._rank))
        for place in self.choice.referred:
            yield from self._referring(entries[place])
        yield from self._rights()
        yield from self._steps(words)

    def _rights(self) -> Iterator[Step]:
        """Nobody gets rights that the backup doesn't give, if it tells of rights at all."""
        entries = self.choice.collected.entries
        if self.choice.how.new_name is not None or not any(entry.kind == Kind.GRANT for entry in entries):
            return
        made = [entries[place].name for place in self.choice.chosen if entries[place].kind in _HAVE_RIGHTS]
        if statement := self._way.plain_rights(made):
            yield Step(kind=Kind.GRANT, label="rights that this server gives by default", statement=statement)

    def _steps(self, places: Sequence[int]) -> Iterator[Step]:
        for place in places:
            entry = self.choice.collected.entries[place]
            if entry.kind == Kind.SETTING:
                name, statement = self._way.setting(entry)
                if name:
                    self._settings[name] = statement
            else:
                yield from self._step(entry, self.choice.chosen[place])

    def _is_part_of_what_comes(self, entry: Entry) -> bool:
        """Whether a part is put to something that comes back with it; else it joins what live has, in the end."""
        return entry.kind == Kind.ATTACH and any(parent in self.choice.collected.rows for parent in entry.parents)

    def _rank(self, place: int) -> int:
        """In the end: indexes of parts to those of wholes that came back, tables to live's, then all else."""
        entry = self.choice.collected.entries[place]
        if entry.kind != Kind.ATTACH:
            return 3
        if entry.parents:
            return 1
        return 0 if entry.name in self.choice.keyed else 2

    def _set(self) -> Iterator[Step]:
        """Settings that changed since they were last said."""
        for name, statement in self._settings.items():
            if self._shown.get(name) != statement:
                self._shown[name] = statement
                yield Step(kind=Kind.SETTING, label=f"setting {name}", statement=statement)

    def _step(self, entry: Entry, why: str) -> Iterator[Step]:
        beside = self.choice.how.new_name is not None and why == "table"
        label = f"{entry.kind} {entry.name.label}"
        try:
            if why == "taken up":
                statement = self._way.taken_up(entry)
            elif beside:
                statement = self._way.bare(entry, self.called)
            else:
                statement = self._way.statement(entry, self.called)
        except ValueError as error:
            raise CannotCheck(
                f"{label}: can't be said anew for live: {error}", "take it out with --out FILE, and feed it by hand"
            ) from error
        if not statement:
            return
        yield from self._set()
        late = self._way.names_aside and entry.kind in {Kind.VIEW, Kind.EVENT}
        yield Step(
            kind=entry.kind, label=label if why != "taken up" else f"{label}, taken up", statement=statement,
            undo=self._way.undoing(entry, self.called), table=entry.about if entry.kind in _TABLES_OWN else None,
            optional=entry.kind in _OPTIONAL or late, late=late,
            refers=any(one.kind is ConstraintKind.FOREIGN for one in entry.constraints)
            and entry.kind == Kind.CONSTRAINT,
        )  # fmt: skip

    def _referring(self, entry: Entry) -> Iterator[Step]:
        """Keys of other tables to those that come back."""
        about = entry.about or entry.name
        for key, item in self.choice.dialect.objects_of(entry):
            named = [one for one in entry.constraints if one.name == key.name and one.references]
            if key.kind != "constraint" or key in self.choice.live or not named:
                continue
            if named[0].references not in self.choice.collected.rows:
                continue
            for statement in item.statements:
                if "," in outer_words(statement, self._lexis):
                    raise CannotCheck(
                        f"reference {key.name} of {about.label}: its statement does more than to add it",
                        "add it by hand, once you have read it; or bring back that table alone",
                    )
                yield Step(
                    kind=Kind.CONSTRAINT, label=f"reference {key.name} of {about.label}",
                    statement=statement.strip().rstrip(b";"), table=about, refers=True,
                    optional=self._way.names_aside, late=self._way.names_aside,
                )  # fmt: skip

    @property
    def _lexis(self) -> Lexis:
        return Lexis(self.choice.dialect.engine)

    def _rows(self, tables: Sequence[Name]) -> Iterator[Step]:
        for table in tables:
            rows = self.choice.collected.rows[table]
            if rows.columns is None:
                continue
            name = Name(table.database, table.schema, self.called.get(table, table.name))
            yield Step(
                kind=Kind.DATA, label=f"{rows.count:,} rows of {table.label}",
                statement=self._way.opening(name, rows.columns), table=table, rows=tuple(rows.stretches),
            )  # fmt: skip

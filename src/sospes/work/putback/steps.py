"""Writes what brings tables back step by step, in the order in which each finds what it needs."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field

from sospes.engines.way_back import Called, Step, WayBack
from sospes.model.entries import ConstraintKind, Entry, Name
from sospes.model.errors import CannotCheck
from sospes.model.kinds import Kind
from sospes.sql.lexis import Lexis
from sospes.sql.renaming import outer_words
from sospes.work.putback.choosing import Choice
from sospes.work.putback.collecting import NEEDED

_TABLES_OWN = frozenset({Kind.CONSTRAINT, Kind.INDEX, Kind.DEFAULT, Kind.IDENTITY, Kind.STATISTICS})
_BEFORE_ROWS = NEEDED | {Kind.TABLE, Kind.DEFAULT, Kind.IDENTITY, Kind.SEQUENCE_OWNER}
_HAVE_RIGHTS = frozenset({Kind.TABLE, Kind.VIEW, Kind.MATERIALIZED_VIEW, Kind.SEQUENCE})
_WORDS = frozenset({Kind.COMMENT, Kind.GRANT, Kind.OWNERSHIP})
_OPTIONAL = _WORDS | {Kind.STATISTICS, Kind.POLICY}


def steps_of(choice: Choice, called: Called) -> list[Step]:
    """What is run, in order; `called` has the names that tables bear while they are filled."""
    return list(_Steps(choice, called).all())


@dataclass(slots=True)
class _Steps:
    """Writes the steps of a choice."""

    choice: Choice
    called: Called
    _settings: dict[str, bytes] = field(default_factory=dict)
    _shown: dict[str, bytes] = field(default_factory=dict)

    @property
    def _way(self) -> WayBack:
        return self.choice.dialect.way

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
        about = entry.subject
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

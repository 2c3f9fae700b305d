"""Picks out of a script what chosen tables need to load on their own engine, and nothing else."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass, field

from sospes.engines.registry import dialect_of
from sospes.model.entries import ConstraintKind, Engine, Entry, Name
from sospes.model.kinds import Kind
from sospes.sql.quoting import double_quoted
from sospes.work.selection import Selection

_NEEDED = frozenset({Kind.TYPE, Kind.DOMAIN, Kind.SEQUENCE, Kind.FUNCTION, Kind.COLLATION, Kind.EXTENSION})
_BELONGS = frozenset(
    "constraint index trigger default identity comment policy rule attach statistics table-setting lock".split()
)
_RUNS_CODE = frozenset(
    {"function", "procedure", "aggregate", "trigger", "event", "rule", "policy", "view", "materialized view"}
)
_WORD = re.compile(rb'"(?:[^"]|"")*"|`(?:[^`]|``)*`|[A-Za-z_\x80-\xff][A-Za-z0-9_$\x80-\xff]*')
_IN_SCHEMA = re.compile(rb"(?i:\bschema)\s+(" + _WORD.pattern + rb")")
_SETTING = re.compile(rb"(?:/\*M?!\d*\s*)?(?:set\s+(?:session\s+|global\s+)?|pragma\s+)(@{0,2}[\w.]+)", re.I)


@dataclass(slots=True)
class Gatherer:
    """Goes through entries in stored order and gives the statements that are to be written."""

    selection: Selection
    engine: Engine | None
    with_drop: bool = False
    left_out: list[str] = field(default_factory=list)
    _settings: dict[bytes, bytes] = field(default_factory=dict)
    _definitions: dict[Name, Entry] = field(default_factory=dict)
    _waiting: dict[Name, Entry] = field(default_factory=dict)
    _by_word: dict[bytes, list[Name]] = field(default_factory=dict)
    _written: set[Name] = field(default_factory=set)
    _partitions: set[Name] = field(default_factory=set)
    _indexes: set[Name] = field(default_factory=set)
    _locked: bool = False

    def wants(self, name: Name) -> bool:
        """Whether a table's rows are wanted: it was named, or is a partition of one that was."""
        return self.selection(name) or name in self._partitions

    def take(self, entry: Entry) -> Iterator[bytes]:
        """The statements that this entry makes necessary."""
        if entry.kind == Kind.SETTING:
            self._setting(entry)
        elif entry.kind == Kind.TABLE:
            yield from self._table(entry)
        elif entry.kind == Kind.ATTACH and entry.about:
            yield from self._attach(entry)
        elif entry.kind == Kind.ATTACH:
            yield from self._attach_index(entry)
        elif entry.kind == Kind.DROP:
            if self.with_drop and self.wants(entry.name):
                yield from self._write(entry)
        elif entry.kind in _NEEDED:
            self._wait(entry)
        elif entry.kind == Kind.SEQUENCE_OWNER and entry.about and self.wants(entry.about):
            yield from self._write(entry)
        elif entry.kind == Kind.SEQUENCE_VALUE:
            if entry.name in self._written or self._counts_for_wanted(entry):
                yield from self._write(entry)
        elif entry.kind == Kind.LOCK:
            yield from self._lock(entry)
        elif entry.kind.replace(" ", "-") in _BELONGS and entry.about and self.wants(entry.about):
            yield from self._belonging(entry)

    def before_rows(self) -> bytes:
        """Settings that came since the last statement and hold for rows too."""
        return self._flushed()

    def closing(self) -> bytes:
        """What the end of the script sets back."""
        return self._flushed()

    def _setting(self, entry: Entry) -> None:
        match = _SETTING.match(entry.definition)
        key = match[1].lower() if match else entry.definition
        self._settings.pop(key, None)
        self._settings[key] = _ended(entry)

    def _flushed(self) -> bytes:
        text = b"".join(self._settings.values())
        self._settings.clear()
        return text

    def _wait(self, entry: Entry) -> None:
        self._waiting[entry.name] = entry
        self._by_word.setdefault(entry.name.name.encode(), []).append(entry.name)

    def _table(self, entry: Entry) -> Iterator[bytes]:
        self._definitions[entry.name] = entry
        if self.wants(entry.name):
            for parent in entry.parents:
                yield from self._needed_table(parent)
            yield from self._write(entry)

    def _schema_of_extension(self, entry: Entry) -> Iterator[bytes]:
        """An extension's schema is none of its name."""
        found = _IN_SCHEMA.search(entry.definition)
        if found is not None:
            schema = found[1].decode(entry.encoding, "replace")
            yield from self._schema(Name(entry.name.database, schema.strip('"').replace('""', '"'), ""))

    def _schema(self, name: Name) -> Iterator[bytes]:
        """A schema of its own has to be there before anything in it."""
        if name.schema in {None, "public"}:
            return
        schema = Name(name.database, None, str(name.schema))
        if schema not in self._written:
            self._written.add(schema)
            yield f"CREATE SCHEMA IF NOT EXISTS {double_quoted(schema.name)};\n".encode()

    def _needed_table(self, name: Name) -> Iterator[bytes]:
        """A table that only has to be there, without its rows."""
        found = self._definitions.get(name)
        if found is not None and name not in self._written:
            yield from self._write(found)

    def _attach(self, entry: Entry) -> Iterator[bytes]:
        child = entry.about
        assert child is not None  # the caller looked
        if any(self.wants(parent) for parent in entry.parents):
            self._partitions.add(child)
            yield from self._needed_table(child)
            yield from self._write(entry)
        elif self.wants(child) and entry.parents:
            self.left_out.append(f"{child.label} is a partition of {entry.parents[0].label}, which is not extracted")

    def _attach_index(self, entry: Entry) -> Iterator[bytes]:
        """An index of a part goes to that of its whole, where both were written."""
        words = _WORD.findall(entry.definition)
        part = words[-1].decode(entry.encoding, "replace").strip('"').replace('""', '"') if words else ""
        if entry.name in self._indexes and any(name.name == part for name in self._indexes):
            yield from self._write(entry)

    def _lock(self, entry: Entry) -> Iterator[bytes]:
        names = {word.strip(b"`") for word in _WORD.findall(entry.definition)}
        wanted = any(name.name.encode() in names for name in self._written)
        if wanted and not self._locked:
            self._locked = True
            yield from self._write(entry)
        elif self._locked:
            self._locked = False
            yield _ended(entry)

    def _counts_for_wanted(self, entry: Entry) -> bool:
        """Some engines keep a counter under its table's name."""
        return dialect_of(self.engine).counts_by_name and self.wants(entry.name)

    def _belonging(self, entry: Entry) -> Iterator[bytes]:
        for constraint in entry.constraints:
            parent = constraint.references
            if constraint.kind is ConstraintKind.FOREIGN and parent is not None and not self.wants(parent):
                self.left_out.append(f"{constraint.name}: refers to {parent.label}, which is not extracted")
                return
        if entry.kind in {Kind.CONSTRAINT, Kind.INDEX}:
            self._indexes.add(entry.name)
        yield from self._write(entry)

    def _write(self, entry: Entry) -> Iterator[bytes]:
        """The statement, after all that it mentions and that is not written yet."""
        if entry.kind in _NEEDED | {Kind.TABLE}:
            if entry.name in self._written:
                return
            self._written.add(entry.name)
        yield from self._schema_of_extension(entry) if entry.kind == Kind.EXTENSION else self._schema(entry.name)
        own = entry.name if entry.kind != Kind.SEQUENCE_OWNER else None
        for name in self._mentioned(entry.definition):
            if name != own and name in self._waiting and name not in self._written:
                yield from self._write(self._waiting[name])
        yield self._flushed() + heading(entry.kind, f"{entry.kind} {entry.name.label}") + _ended(entry)

    def _mentioned(self, text: bytes) -> Iterator[Name]:
        for word in dict.fromkeys(_WORD.findall(text)):
            plain = word[1:-1].replace(b'""', b'"') if word[:1] in {b'"', b"`"} else word
            yield from self._by_word.get(plain, ())


def heading(kind: str, label: str) -> bytes:
    """What stands above a definition that runs code, so that nobody runs it unread; nothing for other kinds."""
    if kind not in _RUNS_CODE:
        return b""
    return f"-- {' '.join(label.split())}, in the backup's own words: read it before you run it\n".encode()


def _ended(entry: Entry) -> bytes:
    """The statement with its line end, in a section of its own where it needs another delimiter."""
    text = entry.definition.strip() + b"\n"
    if entry.delimiter != b";":
        return b"DELIMITER " + entry.delimiter + b"\n" + text + b"DELIMITER ;\n"
    return text if text.endswith(b";\n") else text.rstrip() + b";\n"

"""The objects that a backup of SQLite defines: whole definitions, as its schema keeps them."""

from __future__ import annotations

from collections.abc import Iterator

from sospes.model.entries import Entry
from sospes.model.kinds import Kind
from sospes.model.objects import DatabaseObject, ObjectKey, plain, settled_type
from sospes.sql.quoting import double_quoted

_DEFINED = frozenset({Kind.VIEW, Kind.TRIGGER, Kind.EVENT, Kind.FUNCTION, Kind.PROCEDURE, Kind.SEQUENCE, Kind.INDEX})


def objects_of(entry: Entry) -> Iterator[tuple[ObjectKey, DatabaseObject]]:
    """What an entry defines, besides rows."""
    name = entry.name.name
    if entry.kind == Kind.TABLE:
        yield ObjectKey("table", "", name), DatabaseObject()
        for column in entry.columns:
            text = settled_type(column.type.lower()) + (" not null" if column.not_null else "")
            yield ObjectKey("column", "", column.name, name), DatabaseObject((text,))
    elif entry.kind in _DEFINED:
        about = entry.about.name if entry.about and entry.kind in {Kind.TRIGGER, Kind.INDEX} else ""
        text = entry.text.strip().removesuffix(entry.delimiter.decode("utf-8", "replace"))
        yield ObjectKey(entry.kind, "", name, about), DatabaseObject((plain(text),), (entry.definition,))


def dropping(key: ObjectKey) -> str:
    """The statement that takes an object away."""
    return f"DROP {key.kind.upper()} {double_quoted(key.name)}"

"""Lines for the server's client instead of the server: which ones a backup program writes, and all others."""

from __future__ import annotations

import re
from collections.abc import Iterator

from sospes.formats.script.settings import Settings
from sospes.model.entries import Engine
from sospes.model.findings import Finding, Place, fault

_DELIMITER = re.compile(rb"delimiter[ \t]+(\S+)", re.I)
_CONNECT = re.compile(
    r"\\connect (?:-reuse-previous=on )?(?:\"dbname='((?:[^'\\]|\\.)*)'\"|\"((?:[^\"]|\"\")*)\"|'([^']*)'|(\S+))"
)
_RESTRICT = re.compile(r"\\(un)?restrict ([A-Za-z0-9]+)$")
_ENCODING = re.compile(r"\\encoding '?([\w-]+)'?$")


class MetaLines:
    """Takes the client lines of a script, and yields a finding for each that no backup program writes."""

    def __init__(self, settings: Settings) -> None:
        self._settings = settings

    def begins(self, data: bytes, position: int) -> bool:
        """Whether a client line without a backslash begins here."""
        engine = self._settings.lexis.engine
        if engine is Engine.SQLITE:
            return data[position : position + 1] == b"."
        return self._settings.lexis.is_mariadb and _DELIMITER.match(data, position) is not None

    def take(self, line: bytes, place: Place) -> Iterator[Finding]:
        """Follow one client line, or say why it doesn't belong in a backup."""
        settings = self._settings
        delimiter = _DELIMITER.match(line)
        if delimiter:
            settings.lexis = settings.lexis.changed(delimiter=delimiter[1])
            return
        text = line.decode(settings.codec, "replace").strip()
        if settings.lexis.engine is Engine.POSTGRESQL:
            if match := _RESTRICT.match(text):
                yield from self._restrict(match[1] is not None, match[2], place)
                return
            if match := _CONNECT.match(text):
                raw = next(group for group in match.groups() if group is not None)
                settings.connect(raw.replace('""', '"').replace("\\'", "'").replace("\\\\", "\\"))
                return
            if match := _ENCODING.match(text):
                settings.set_encoding(match[1])
                return
        yield hostile(text, place)

    def _restrict(self, lift: bool, key: str, place: Place) -> Iterator[Finding]:
        keys = self._settings.notes.restrict_keys
        if not lift:
            keys.append(key)
        elif key in keys:
            keys.remove(key)
        else:
            yield fault(
                "restriction-broken",
                "the restriction is lifted with a key that it was not set with",
                "the line is cut or damaged: compare with another copy",
                place,
            )

    def stray(self, text: bytes, place: Place) -> Iterator[Finding]:
        """A backslash in the middle of a statement: the server's client would obey what follows."""
        yield hostile(text[:80].decode("utf-8", "replace"), place)


def hostile(text: str, place: Place) -> Finding:
    """A client command that no backup program writes."""
    return fault(
        "hostile-statement",
        f"a client command stands in the script: {text[:80]}",
        "do not feed this file to a server's client; find out who could write to it",
        place,
    )

"""Lines for the server's client instead of the server: which ones a backup program writes, and all others."""

from __future__ import annotations

import re
from collections.abc import Iterator

from sospes.model.entries import Engine
from sospes.model.findings import Finding, Place, doubt, fault
from sospes.sql.settings import Settings

_DELIMITER = re.compile(rb"delimiter[ \t]+(\S+)", re.I)
_CONNECT = re.compile(
    r"\\connect (?:-reuse-previous=on )?(?:\"dbname='((?:[^'\\]|\\.)*)'\"|\"((?:[^\"]|\"\")*)\"|'([^']*)'|(\S+))"
)
_ELSEWHERE = re.compile(r"^\w+\s*=|://")
"""What names more than a database: another server, perhaps."""

_AS_SOMEBODY = re.compile(r"(?: +[^\s-]\S*)?(?: +-)*\s*")
"""A user may follow; a host and a port may not."""

_RESTRICT = re.compile(r"\\(un)?restrict ([A-Za-z0-9]+)$")
_ENCODING = re.compile(r"\\encoding '?([\w-]+)'?$")
_SHOWN_ONLY = re.compile(
    r"\\(?:(?:echo|qecho|warn|unset|timing|pset|x|a|t|errverbose|conninfo|d\w*[+S]*|l\+?|sf\+?|sv\+?|z|du|h|\?)"
    r"(?:\s[^`|\\]*)?|c|connect|"
    r"set (?:ON_ERROR_STOP|ON_ERROR_ROLLBACK|QUIET|ECHO|ECHO_HIDDEN|VERBOSITY|SHOW_CONTEXT|SHOW_ALL_RESULTS) '?\w+'?)$"
)
"""Client lines that change what is shown, and nothing outside of the client.

Backquotes in them would start a program, and a bar would send what is shown to one.
"""
_TO_THE_CLIENT = re.compile(r"\\(?:set(?: [^`]*)?|if [^`]*|elif [^`]*|else|endif)$")
"""Lines that put text of the client's into statements, or have it read some of them only."""

_CLIENT_WORDS = re.compile(
    rb"(?:use[ \t]+(?P<use>[^\s;]+)|charset[ \t]+(?P<charset>\w+)|"
    rb"(?P<reaching>(?:source|system|tee|pager|edit|connect)\b[^\n;]*)|(?P<ending>exit|quit|resetconnection)|"
    rb"notee|nopager|status|warnings|nowarning|rehash|go|ego|clear|print|help|prompt\b[^\n;]*)[ \t]*(?=\r?\n|$)",
    re.I,
)
"""Lines of MariaDB's client, which ends them at the line's end; a semicolon makes most of them statements.

Those of no group change what is shown.
"""


class MetaLines:
    """Takes the client lines of a script, and yields a finding for each that no backup program writes."""

    def __init__(self, settings: Settings) -> None:
        self._settings = settings

    def begins(self, data: bytes, position: int) -> bool:
        """Whether a client line without a backslash begins here."""
        engine = self._settings.lexis.engine
        if engine is Engine.SQLITE:
            return data[position : position + 1] == b"."
        if not self._settings.lexis.is_mariadb:
            return False
        return _DELIMITER.match(data, position) is not None or _CLIENT_WORDS.match(data, position) is not None

    def take(self, line: bytes, place: Place) -> Iterator[Finding]:
        """Follow one client line, or say why it doesn't belong in a backup."""
        settings = self._settings
        delimiter = _DELIMITER.match(line)
        if delimiter:
            settings.lexis = settings.lexis.changed(delimiter=delimiter[1])
            return
        text = line.decode(settings.codec, "replace").strip()
        if settings.lexis.is_mariadb and (words := _CLIENT_WORDS.match(line)):
            yield from self._client_word(words, text, place)
            return
        if settings.lexis.engine is Engine.POSTGRESQL:
            if match := _RESTRICT.match(text):
                yield from self._restrict(match[1] is not None, match[2], place)
                return
            if match := _CONNECT.match(text):
                raw = next(group for group in match.groups() if group is not None)
                if _ELSEWHERE.search(raw) or not _AS_SOMEBODY.fullmatch(text[match.end() :]):
                    yield hostile(text, place)
                settings.connect(raw.replace('""', '"').replace("\\'", "'").replace("\\\\", "\\"))
                return
            if match := _ENCODING.match(text):
                settings.set_encoding(match[1])
                return
            if _SHOWN_ONLY.match(text):
                return
            if _TO_THE_CLIENT.match(text):
                yield doubt(
                    "effect-unknown",
                    f"what the client makes of it decides what the script does: {text[:80]}",
                    "read what follows, feed it to the server's client, and count there",
                    place,
                )
                return
        yield hostile(text, place)

    def _client_word(self, words: re.Match[bytes], text: str, place: Place) -> Iterator[Finding]:
        """Follow a word of MariaDB's client."""
        if words["use"]:
            self._settings.connect(words["use"].decode(self._settings.codec, "replace").strip("`"))
        elif words["charset"]:
            self._settings.set_encoding(words["charset"].decode("ascii", "replace"))
        elif words["ending"]:
            yield doubt(
                "effect-unknown",
                f"the server's client ends here, or begins anew: {text[:80]}",
                "what stands behind it may never be run: read the script, and count on a server",
                place,
            )
        elif words["reaching"]:
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

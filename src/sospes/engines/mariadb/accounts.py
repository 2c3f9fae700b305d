"""Accounts, roles and rights that statements of a MariaDB backup give; a server says its own in the same words.

Source: MariaDB Knowledge Base, "GRANT", "SHOW GRANTS", and what its dump program writes for users.
"""

from __future__ import annotations

import re
from collections.abc import Iterator

from sospes.model.accounts import AccountFact, AccountKey, AccountKind
from sospes.model.entries import Entry
from sospes.model.kinds import Kind

_PART = r"(?:`(?:[^`]|``)*`|'(?:[^']|'')*'|\"(?:[^\"]|\"\")*\"|[\w.%$-]+)"
_ACCOUNT = rf"({_PART}(?:\s*@\s*{_PART})?)"
_CONDITIONAL = re.compile(r"/\*M?!\d*\s*|\s*\*/")
_MADE = re.compile(rf"CREATE (?:OR REPLACE )?(?:USER|ROLE) (?:IF NOT EXISTS )?{_ACCOUNT}(.*)", re.I | re.S)
_DROPPED = re.compile(rf"DROP (?:USER|ROLE) (?:IF EXISTS )?{_ACCOUNT}", re.I)
_GRANTED = re.compile(rf"GRANT (.+) ON (.+?) TO {_ACCOUNT}(.*)", re.I | re.S)
_MEMBER = re.compile(rf"GRANT {_ACCOUNT} TO {_ACCOUNT}(.*)", re.I | re.S)
_OPTION = re.compile(r"with grant option", re.I)
_ADMIN = re.compile(r"with admin option", re.I)
_COMMA = re.compile(r",\s*(?![^(]*\))")
_OURS = re.compile(r"\bsospes_[0-9a-f]{24}\b")
_WORDS = re.compile(r"^[A-Za-z ]+")
_HELPER = "mariadb_dump_import_role"
"""A role that the dump program makes for the time of a restore."""


def accounts_of(entry: Entry) -> Iterator[AccountFact]:
    """What an entry says of who may do what."""
    if entry.kind in {Kind.ACCOUNT, Kind.GRANT, Kind.ROLE}:
        yield from facts_of(entry.text)


def facts_of(statement: str) -> Iterator[AccountFact]:
    """What a statement says of who may do what."""
    text = " ".join(_CONDITIONAL.sub(" ", statement).split()).rstrip("; ")
    if _HELPER in text or "current_user" in text.lower() or _OURS.search(text):
        return
    if found := _DROPPED.match(text):
        yield AccountFact(AccountKey(AccountKind.ACCOUNT, _plain(found[1])), change="gone")
    elif found := _MADE.match(text):
        locked = frozenset({"locked"}) if "account lock" in found[2].lower() else frozenset[str]()
        yield AccountFact(AccountKey(AccountKind.ACCOUNT, _plain(found[1])), locked)
    elif found := _GRANTED.match(text):
        yield from _granted(found)
    elif found := _MEMBER.match(text):
        traits = frozenset({"member", *(["with admin option"] if _ADMIN.search(found[3]) else [])})
        yield AccountFact(AccountKey(AccountKind.MEMBER, _plain(found[2]), _plain(found[1])), traits)


def _granted(found: re.Match[str]) -> Iterator[AccountFact]:
    star = "*" if _OPTION.search(found[4]) else ""
    rights = [right.strip() for right in _COMMA.split(found[1])]
    named = (_WORDS.sub(lambda match: match[0].upper(), right).replace(" PRIVILEGES", "") for right in rights)
    given = frozenset(right + star for right in named if right != "USAGE")
    if given:
        what = found[2].replace("`", "")
        yield AccountFact(AccountKey(AccountKind.RIGHT, _plain(found[3]), what), given)


def _plain(account: str) -> str:
    """An account without quotes: user@host, or a role's name."""
    parts = [part.strip() for part in re.findall(rf"{_PART}", account)]
    return "@".join(part[1:-1] if part[:1] in "`'\"" else part for part in parts)

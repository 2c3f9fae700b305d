"""Roles, memberships and rights that statements of a PostgreSQL backup give, as a server's catalog has them.

Sources: PostgreSQL documentation, "CREATE ROLE", "GRANT", "ALTER DEFAULT PRIVILEGES", and what its dump programs write.
"""

from __future__ import annotations

import re
from collections.abc import Iterator

from sospes.model.accounts import AccountFact, AccountKey, AccountKind
from sospes.model.entries import Entry
from sospes.model.kinds import Kind

_NAME = r'("(?:[^"]|"")+"|[^\s",;]+)'
_MADE = re.compile(rf"CREATE (?:ROLE|USER|GROUP) {_NAME}", re.I)
_DROPPED = re.compile(rf"DROP (?:ROLE|USER|GROUP) (?:IF EXISTS )?{_NAME}", re.I)
_WITH = re.compile(rf"(?:CREATE|ALTER) (?:ROLE|USER|GROUP) {_NAME} (?:WITH )?(.+)", re.I | re.S)
_PASSWORD = re.compile(r"\b(?:ENCRYPTED )?PASSWORD (?:'(?:[^']|'')*'|NULL)", re.I)
_TRAIT = re.compile(r"\b(SUPERUSER|CREATEROLE|CREATEDB|LOGIN|REPLICATION|BYPASSRLS|NOINHERIT)\b", re.I)
_LIMIT = re.compile(r"\bCONNECTION LIMIT (\d+)", re.I)
_UNTIL = re.compile(r"\bVALID UNTIL '([^']*)'", re.I)
_MEMBER = re.compile(rf"(GRANT|REVOKE) (?:ADMIN OPTION FOR )?{_NAME} (?:TO|FROM) {_NAME}(.*)", re.I | re.S)
_DATABASE = re.compile(rf"(GRANT|REVOKE) (.+?) ON DATABASE {_NAME} (?:TO|FROM) {_NAME}(.*)", re.I | re.S)
_DEFAULT = re.compile(
    rf"ALTER DEFAULT PRIVILEGES(?: FOR ROLE {_NAME})?(?: IN SCHEMA {_NAME})? (GRANT|REVOKE) (.+?) ON (\w+) "
    rf"(?:TO|FROM) {_NAME}(.*)",
    re.I | re.S,
)
_ALL = {
    "DATABASE": "CREATE,CONNECT,TEMPORARY", "TABLES": "SELECT,INSERT,UPDATE,DELETE,TRUNCATE,REFERENCES,TRIGGER",
    "SEQUENCES": "SELECT,UPDATE,USAGE", "FUNCTIONS": "EXECUTE", "ROUTINES": "EXECUTE", "TYPES": "USAGE",
    "SCHEMAS": "USAGE,CREATE",
}  # fmt: skip
_OPTION = re.compile(r"with grant option", re.I)
_ADMIN = re.compile(r"admin (?:option|true)", re.I)


def accounts_of(entry: Entry) -> Iterator[AccountFact]:
    """What an entry says of who may do what."""
    if entry.kind not in {Kind.ROLE, Kind.ALTERATION, Kind.GRANT, Kind.DROP}:
        return
    text = " ".join(entry.text.split()).rstrip("; ")
    if text.upper().startswith("DROP"):
        if found := _DROPPED.match(text):
            yield AccountFact(AccountKey(AccountKind.ACCOUNT, _plain(found[1])), change="gone")
        return
    if found := _MADE.match(text):
        yield AccountFact(AccountKey(AccountKind.ACCOUNT, _plain(found[1])))
    if found := _WITH.match(text):
        yield from _traits(_plain(found[1]), found[2])
    elif found := _DEFAULT.match(text):
        yield from _default(found, entry)
    elif found := _DATABASE.match(text):
        key = AccountKey(AccountKind.RIGHT, _plain(found[4]), f"database {_plain(found[3])}")
        yield AccountFact(key, _rights(found[2], "DATABASE", found[5]), _change(found[1]))
    elif " ON " not in text.upper() and (found := _MEMBER.match(text)):
        traits = frozenset({"member", *(["with admin option"] if _ADMIN.search(found[4]) else [])})
        key = AccountKey(AccountKind.MEMBER, _plain(found[3]), _plain(found[2]))
        yield AccountFact(key, traits, _change(found[1]))


def _traits(name: str, said: str) -> Iterator[AccountFact]:
    """What a role may do by itself."""
    bare = _PASSWORD.sub("", said)
    if re.match(r"(?i)(?:IN DATABASE \S+ )?(?:SET|RESET) ", bare):
        return
    traits = {trait.upper() for trait in _TRAIT.findall(bare)}
    traits |= {f"CONNECTION LIMIT {limit}" for limit in _LIMIT.findall(bare)}
    traits |= {"VALID UNTIL" for until in _UNTIL.findall(bare) if until != "infinity"}
    yield AccountFact(AccountKey(AccountKind.ACCOUNT, name), frozenset(traits))


def _default(found: re.Match[str], entry: Entry) -> Iterator[AccountFact]:
    """What new things of a role's are given to others."""
    owner, schema, change, rights, what, who, behind = found.groups()
    where = " ".join(
        filter(
            None,
            [
                what.lower().replace("routines", "functions"),
                f"of {_plain(owner)}" if owner else "",
                f"in schema {_plain(schema)}" if schema else "",
                f"in {entry.name.database}" if entry.name.database else "",
            ],
        )
    )
    if who != owner:
        key = AccountKey(AccountKind.DEFAULT, _plain(who), where)
        yield AccountFact(key, _rights(rights, what.upper(), behind), _change(change))


def _rights(text: str, what: str, behind: str) -> frozenset[str]:
    """Rights by their whole names, with a star where they may be given on."""
    listed = _ALL.get(what, text) if text.upper().startswith("ALL") else text
    star = "*" if _OPTION.search(behind) else ""
    rights = (right.strip().upper() for right in listed.split(","))
    return frozenset(("TEMPORARY" if right == "TEMP" else right) + star for right in rights)


def _change(verb: str) -> str:
    return "add" if verb.upper() == "GRANT" else "remove"


def _plain(name: str) -> str:
    """A name without its quotes; everybody is called PUBLIC."""
    return name[1:-1].replace('""', '"') if name.startswith('"') else name

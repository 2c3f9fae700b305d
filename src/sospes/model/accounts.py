"""Who may do what on a server: accounts, memberships, rights to databases, and rights that new things are given.

Nothing of passwords is kept.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from enum import StrEnum


class AccountKind(StrEnum):
    """What is said of an account."""

    ACCOUNT = "account"
    MEMBER = "membership"
    RIGHT = "right"
    DEFAULT = "default right"


@dataclass(frozen=True, slots=True, order=True)
class AccountKey:
    """What tells one thing that is said of an account from all others; `what` is a group, a database, new things."""

    kind: AccountKind
    who: str
    what: str = ""

    @property
    def label(self) -> str:
        """As people say it."""
        match self.kind:
            case AccountKind.ACCOUNT:
                return f"account {self.who}"
            case AccountKind.MEMBER:
                return f"membership of {self.who} in {self.what}"
            case AccountKind.RIGHT:
                return f"rights of {self.who} to {self.what}"
            case AccountKind.DEFAULT:
                return f"rights of {self.who} to new {self.what}"


@dataclass(frozen=True, slots=True)
class AccountFact:
    """What one statement says: `change` is 'add', 'remove', or 'gone' where all of the account is dropped."""

    key: AccountKey
    traits: frozenset[str] = frozenset()
    change: str = "add"


Accounts = Mapping[AccountKey, frozenset[str]]


@dataclass(slots=True)
class AccountBook:
    """Takes in what statements say, in order."""

    found: dict[AccountKey, frozenset[str]] = field(default_factory=dict)

    @property
    def of_server(self) -> Accounts | None:
        """All that was said; None where no account is made, as in a backup of one database."""
        return self.found if any(key.kind is AccountKind.ACCOUNT for key in self.found) else None

    def take(self, fact: AccountFact) -> None:
        """Take in one statement."""
        if fact.change == "gone":
            for key in [key for key in self.found if fact.key.who in {key.who, key.what}]:
                del self.found[key]
            return
        before = self.found.get(fact.key, frozenset())
        after = before - fact.traits if fact.change == "remove" else before | fact.traits
        if after or fact.key.kind is AccountKind.ACCOUNT:
            self.found[fact.key] = after
        else:
            self.found.pop(fact.key, None)


@dataclass(frozen=True, slots=True)
class UnlikeAccount:
    """What live lacks of an account of a backup, and what it has beyond it.

    only  'backup' or 'live' where that one alone has it at all; empty where both do
    """

    key: AccountKey
    lacking: tuple[str, ...]
    beyond: tuple[str, ...]
    only: str = ""


def unlike_accounts(backup: Accounts, live: Accounts) -> Iterator[UnlikeAccount]:
    """Where live differs from a backup; what is said of an account that one of them hasn't isn't told apart from it."""
    gone = {
        key.who for key in backup.keys() ^ live.keys() if key.kind is AccountKind.ACCOUNT
    }  # those that one side has as a whole
    for key in sorted(backup.keys() | live.keys()):
        if key.kind is not AccountKind.ACCOUNT and (key.who in gone or key.what in gone):
            continue
        one, other = backup.get(key), live.get(key)
        lacking, beyond = (one or frozenset()) - (other or frozenset()), (other or frozenset()) - (one or frozenset())
        if (one is None) != (other is None) or lacking or beyond:
            only = "live" if one is None else "backup" if other is None else ""
            yield UnlikeAccount(key, tuple(sorted(lacking)), tuple(sorted(beyond)), only)

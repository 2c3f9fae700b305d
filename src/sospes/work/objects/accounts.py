"""Which accounts, memberships and rights of a backup a server lacks, and which it has beyond them."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from sospes.model.accounts import AccountKind, UnlikeAccount
from sospes.model.findings import Finding, doubt

MOST_TOLD = 20


@dataclass(frozen=True, slots=True, kw_only=True)
class AccountDifference:
    """What a server lacks of an account of the backup, and what it has beyond it; `only` as in UnlikeAccount."""

    kind: str
    who: str
    what: str | None
    lacking: tuple[str, ...]
    beyond: tuple[str, ...]
    only: str


def told_accounts(items: Sequence[UnlikeAccount], backup: str, live: str) -> Iterator[Finding]:
    """One finding for each, up to some: somebody lacks what they had, or got more than they should."""
    for item in items[:MOST_TOLD]:
        if item.only and item.key.kind is AccountKind.ACCOUNT:
            lacks = item.only == "backup"
            code, said = ("account-missing", "lacks") if lacks else ("account-beyond", "has, beyond the backup,")
            yield doubt(code, f"{live} {said} the {item.key.label}", _advice(lacks=lacks))
            continue
        if item.lacking:
            said = f"{live} lacks {', '.join(item.lacking)} of the {item.key.label}, which {backup} has"
            yield doubt("rights-missing", said, _advice(lacks=True))
        if item.beyond:
            said = f"{live} has {', '.join(item.beyond)} beyond the {item.key.label} in {backup}"
            yield doubt("rights-beyond", said, _advice(lacks=False))
    if len(items) > MOST_TOLD:
        yield doubt(
            "rights-missing",
            f"{len(items) - MOST_TOLD:,} more accounts and rights differ",
            "all are in --json, under accounts",
        )


def _advice(*, lacks: bool) -> str:
    if lacks:
        return "if that was not taken away since: make it anew, with a new password, or GRANT it"
    return "if nobody meant to give it since: REVOKE it, or drop the account"


def listed_accounts(items: Sequence[UnlikeAccount]) -> tuple[AccountDifference, ...]:
    """All differences, for programs."""
    return tuple(
        AccountDifference(
            kind=item.key.kind, who=item.key.who, what=item.key.what or None, lacking=item.lacking, beyond=item.beyond,
            only=item.only,
        )
        for item in items
    )  # fmt: skip

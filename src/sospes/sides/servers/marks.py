"""Names and marks of the databases that Sospes makes on servers in use: only what carries its mark is ever dropped.

A mark is signed with a secret that lies in the user's state folder, and says of which database it is, so that code of a
backup can neither make one nor take its own elsewhere.
"""

from __future__ import annotations

import hashlib
import hmac
import json
import re
import secrets
from contextlib import suppress
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path

from sospes.model.errors import CannotCheck
from sospes.model.findings import Finding
from sospes.places.writing import opened_own

PREFIX = "sospes_"
LONGEST_NAME = 63
MARK = "made by sospes: "
MARK_TABLE = "sospes_mark"
"""The table that marks a database where databases have no comments; it holds one text."""

_SECRET_BYTES = 32
_STAMPED = re.compile(PREFIX + r"[a-z0-9_]*_\d{8}_\d{6}")
_PREFIX = re.compile(r"[a-z][a-z0-9_]{0,19}")


def is_prefix(text: str) -> bool:
    """Whether names may begin with it: a lower-case letter, then at most 19 letters, digits and underscores."""
    return _PREFIX.fullmatch(text) is not None


@dataclass(frozen=True, slots=True)
class Naming:
    """How side copies of one run are named: prefix, the database's name in the backup, and the time in UTC.

    For example `sospes_harbour_20261123_141502`. `only` is the name of the only database, where entries name none.
    """

    prefix: str
    backup: str
    when: datetime
    only: str | None = None

    def name(self, database: str | None) -> str:
        """The name on the server for a database of the backup; None stands for the only one."""
        stamp = self.when.astimezone(UTC).strftime("_%Y%m%d_%H%M%S")
        plain = re.sub(r"[^a-z0-9]+", "_", (database or self.only or "side").lower()).strip("_") or "side"
        return self.prefix + plain[: LONGEST_NAME - len(self.prefix) - len(stamp)] + stamp

    def mark(self, name: str, identity: str, state: Path) -> str:
        """What is written on a database that was made: `name` on the server, and what else tells it from others there.

        It is signed with the secret that lies in the folder `state`.

        Raises CannotCheck where the secret that signs it can't be had.
        """
        backup = self.backup[-_LONGEST_BACKUP:]
        at = self.when.astimezone(UTC).isoformat(timespec="seconds")
        signature = _signature((name, identity, backup, at), state)
        return MARK + json.dumps({"backup": backup, "at": at, "signature": signature})


_LONGEST_BACKUP = 300


def _signature(said: tuple[str, str, str, str], state: Path) -> str:
    return hmac.new(_secret(state), json.dumps(said).encode(), hashlib.sha256).hexdigest()


def _secret(state: Path) -> bytes:
    """What this user signs marks with; made when it is first needed."""
    path = state.expanduser() / "sospes" / "secret"
    try:
        path.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
        try:
            with opened_own(path) as file:
                file.write(secrets.token_bytes(_SECRET_BYTES))
        except FileExistsError:
            pass
        found = path.read_bytes()
    except OSError as error:
        raise CannotCheck(
            f"{path}: {error.strerror}",
            "side copies are marked with a secret that lies there: name another place in XDG_STATE_HOME",
        ) from error
    if len(found) != _SECRET_BYTES:
        raise CannotCheck(
            f"{path}: is no secret of Sospes", "move it away; what was made before is then dropped by hand"
        )
    return found


_SIGNED_NAME = re.compile(PREFIX + r"([0-9a-f]{8})([0-9a-f]{16})")
"""The name of what can bear no mark of ours: what it is of, and a signature. No longer than any server takes."""


def _signed_name(kind: str, what: str, state: Path) -> str:
    which = hashlib.sha256(what.encode()).hexdigest()[:8]
    return f"{PREFIX}{which}{_signature((kind, which, '', ''), state)[:16]}"


def _is_own_name(kind: str, name: str, state: Path) -> bool:
    found = _SIGNED_NAME.fullmatch(name)
    return found is not None and hmac.compare_digest(found[2], _signature((kind, found[1], "", ""), state)[:16])


def account_of(database: str, state: Path) -> str:
    """The account that restores into a database, by its name on the server; accounts bear no comments."""
    return _signed_name("account", database, state)


def is_own_account(name: str, state: Path) -> bool:
    """Whether this user's own Sospes made an account of that name."""
    return _is_own_name("account", name, state)


def aside_of(what: str, state: Path) -> str:
    """A name for a table that is put into a live database, until it is whole; its comment is the backup's own."""
    return _signed_name("aside", what, state)


def is_own_aside(name: str, state: Path) -> bool:
    """Whether this user's own Sospes gave a table that name."""
    return _is_own_name("aside", name, state)


def signed(text: str, state: Path) -> str:
    """A signature of a text that is kept on a server, with the secret that lies in the folder `state`."""
    return _signature(("text", text, "", ""), state)


def is_signed(text: str, signature: str, state: Path) -> bool:
    """Whether this user's own Sospes signed a text."""
    return hmac.compare_digest(signature, signed(text, state))


@dataclass(frozen=True, slots=True)
class Marked:
    """A database that carries the mark: its name on the server, the backup it was made from, and when.

    kind    database; role or account where one that restored into a database was left without it; table where one
            was left on its way into a live database
    bytes   its size, where the server tells
    in_use  whether somebody is connected to it
    signed  whether this user's own Sospes made it, under this name; nothing else is ever dropped
    """

    name: str
    backup: str
    made_at: str
    bytes: int | None
    in_use: bool
    signed: bool
    kind: str = "database"


@dataclass(frozen=True, slots=True)
class Left:
    """What side copies left on a server, and what the user who looks can't see of it."""

    marked: list[Marked]
    unseen: list[Finding]


def read_mark(mark: tuple[str, str, str | None], size: int | None, connections: int, state: Path) -> Marked | None:
    """What the mark on a database says; None if it has none and isn't called as side copies are.

    mark   the database's name, what else tells it from others there, and the text on it
    state  the folder where the secret lies that marks are signed with
    """
    name, identity, text = mark
    backup = at = signature = ""
    if text is not None and text.startswith(MARK):
        with suppress(ValueError, KeyError, TypeError):
            found = json.loads(text.removeprefix(MARK))
            backup, at, signature = (str(found[key]) for key in ("backup", "at", "signature"))
    elif _STAMPED.fullmatch(name) is None:
        return None
    signed = bool(signature) and hmac.compare_digest(signature, _signature((name, identity, backup, at), state))
    return Marked(name, backup, at, size, connections > 0, signed)

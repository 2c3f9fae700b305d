"""What may stand in the files that people write; the library checks keys and types by these classes."""

from __future__ import annotations

from typing import Any

import msgspec


class Defaults(msgspec.Struct, forbid_unknown_fields=True, frozen=True, rename="kebab"):
    """The table [defaults] of a configuration file: options that need not be given each time."""

    work_folder: str | None = None
    hide_values: bool | None = None
    quiet: bool | None = None
    ledger: str | None = None
    no_ledger: bool | None = None


class Profile(msgspec.Struct, forbid_unknown_fields=True, frozen=True, rename="kebab"):
    """A table [profiles.NAME]: an address, and where its password is, which never stands in the file itself."""

    url: str
    password_env: str | None = None
    password_file: str | None = None
    password_keyring: str | None = None


class Configuration(msgspec.Struct, forbid_unknown_fields=True, frozen=True):
    """A configuration file, its tables not yet looked into."""

    defaults: Any = msgspec.field(default_factory=dict)
    profiles: Any = msgspec.field(default_factory=dict)


class WrittenFigure(msgspec.Struct, forbid_unknown_fields=True, frozen=True, rename="kebab"):
    """A table [[figure]] of a file of known figures, with one of the five things that may be known."""

    table: str | None = None
    column: str | None = None
    key: dict[str, Any] = msgspec.field(default_factory=dict)
    sql: str | None = None
    rows: Any = None
    sum: Any = None
    newest: Any = None
    newest_within_hours: Any = None
    value: Any = None


class WrittenBounds(msgspec.Struct, forbid_unknown_fields=True, frozen=True):
    """What a figure may be, both included."""

    least: Any = None
    most: Any = None

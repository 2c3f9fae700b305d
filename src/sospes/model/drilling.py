"""What may stand in the file of a drill; keys and types are checked by these classes, and a schema is made of them."""

from __future__ import annotations

from typing import Annotated, Literal

import msgspec

Text = Annotated[str, msgspec.Meta(min_length=1)]
Span = Annotated[
    str, msgspec.Meta(pattern=r"^\d+(\.\d+)?\s*(s|m|min|h|d|w|y)$", description="as 90s, 20m, 26h, 7d, 5w")
]
Spreading = Annotated[
    str, msgspec.Meta(pattern=r"^\s*\d+\s*[dwmy]\s*(,\s*\d+\s*[dwmy]\s*)*$", description="as 7d,4w,12m,3y")
]
Size = Annotated[str, msgspec.Meta(pattern=r"^\d+(\.\d+)?\s*([KMGT]i?B|B)$", description="as 500MB, 20GiB")]
Count = Annotated[int, msgspec.Meta(ge=1)]
Sending = Literal["always", "trouble"]
Aim = Literal["intact", "loaded", "restored", "consistent", "matched"]


class WrittenTarget(msgspec.Struct, forbid_unknown_fields=True, frozen=True, rename="kebab", kw_only=True):
    """A table [[target]]: backups of one database or server, or with `each` of every one that is found."""

    name: Text
    places: Annotated[list[Text], msgspec.Meta(min_length=1)]
    with_: list[Text] = msgspec.field(default_factory=list, name="with")
    database: Text | None = None
    engine: Literal["postgresql", "mariadb", "mysql", "sqlite"] | None = None
    server: Text | None = None
    system: Text | None = None
    each: bool = False
    leave_out: list[Text] = []
    sample: Count | None = None
    rung: Aim = "intact"
    side: Text | None = None
    server_bin: Text | None = None
    unconfined: bool = False
    trust_backup: bool = False
    newest_within: Span | None = None
    reach_back: Span | None = None
    logs_within: Span | None = None
    spread: Spreading | None = None
    keep_for: Span | None = None
    compare_with: Text | None = None
    drift_by: Text | None = None
    figures: Text | None = None
    key_file: Text | None = None
    unusual: Literal["note", "doubt"] = "note"
    max_seconds: Count | None = None
    max_space: Size | None = None


class WrittenRun(msgspec.Struct, forbid_unknown_fields=True, frozen=True, rename="kebab", kw_only=True):
    """The table [drill]: how the run as a whole goes on."""

    workers: Count = 1
    pause: Span | None = None
    max_seconds: Count | None = None
    hide_values: bool = False


class WrittenReports(msgspec.Struct, forbid_unknown_fields=True, frozen=True, rename="kebab", kw_only=True):
    """The table [reports]: files that are written afterwards, whole, in place of those of the night before."""

    html: Text | None = None
    junit: Text | None = None
    metrics: Text | None = None
    json_lines: Text | None = None


class WrittenMail(msgspec.Struct, forbid_unknown_fields=True, frozen=True, rename="kebab", kw_only=True):
    """The table [mail]: who hears of it."""

    server: Text
    sender: Text
    to: Annotated[list[Text], msgspec.Meta(min_length=1)]
    port: Annotated[int, msgspec.Meta(ge=1, le=65535)] | None = None
    tls: Literal["starttls", "from-start", "none"] = "starttls"
    authority: Text | None = None
    user: Text | None = None
    password_env: Text | None = None
    password_file: Text | None = None
    password_keyring: Text | None = None
    when: Sending = "always"


class WrittenWebhook(msgspec.Struct, forbid_unknown_fields=True, frozen=True, rename="kebab", kw_only=True):
    """The table [webhook]: an address that gets the JSON document."""

    url: Text
    token_env: Text | None = None
    token_file: Text | None = None
    token_keyring: Text | None = None
    when: Sending = "always"


class WrittenDrill(msgspec.Struct, forbid_unknown_fields=True, frozen=True, kw_only=True):
    """The whole file."""

    target: Annotated[list[WrittenTarget], msgspec.Meta(min_length=1)]
    drill: WrittenRun = msgspec.field(default_factory=WrittenRun)
    reports: WrittenReports = msgspec.field(default_factory=WrittenReports)
    mail: WrittenMail | None = None
    webhook: WrittenWebhook | None = None

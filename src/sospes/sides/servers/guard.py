"""The guard: which kinds of statements may run on a side copy, and as whom; never decided by a pattern of text."""

from __future__ import annotations

from enum import StrEnum

from sospes.model.entries import Engine, Entry


class Leave(StrEnum):
    """What may become of a statement."""

    RESTORER = "run without superuser rights"
    ADMINISTRATOR = "run as the server's first user: it changes the catalog and runs nobody's code"
    OURS = "done by Sospes itself, in its own way"
    PASSED_OVER = "not needed on a side copy"
    REFUSED = "reaches outside of the side copy"


_POSTGRESQL = {
    Leave.RESTORER: frozenset(
        "setting schema type domain function procedure aggregate table sequence view default identity attach "
        "constraint index rule trigger refresh data statistics policy conversion collation operator "
        "transaction".split()
    )
    | {
        "materialized view", "sequence owner", "sequence value", "large object", "large object data", "table setting",
        "foreign table", "text search configuration", "text search dictionary", "lock",
    },
    Leave.ADMINISTRATOR: frozenset("ownership grant comment extension publication cast transform server".split())
    | {
        "event trigger", "operator class", "operator family", "foreign data wrapper", "user mapping",
        "text search parser", "text search template",
    },
    Leave.OURS: frozenset({"role", "database", "use"}),
    Leave.PASSED_OVER: frozenset({"drop", "tablespace"}),
}  # fmt: skip
_MARIADB = {
    Leave.RESTORER: frozenset(
        "setting table sequence view trigger event function procedure index data transaction constraint comment".split()
    )
    | {"sequence value", "table setting", "package body"},
    Leave.OURS: frozenset({"database", "use"}),
    Leave.PASSED_OVER: frozenset({"drop", "role", "grant", "replication", "lock"}),
}
EXTENSIONS = frozenset(
    "plpgsql pgcrypto uuid-ossp hstore citext ltree pg_trgm btree_gin btree_gist intarray cube earthdistance unaccent "
    "tablefunc fuzzystrmatch isn lo seg dict_int dict_xsyn tsm_system_rows tsm_system_time bloom tcn "
    "pg_stat_statements pgstattuple postgis postgis_topology postgis_raster vector intagg moddatetime".split()
)
"""Extensions that reach no file and no other server."""


_OWNED_BY_SUPERUSERS = (b"alter role", b"alter database", b"alter event trigger", b"alter foreign data wrapper")
"""What has no owner on a side copy but the server's first user."""


def leave_of(engine: Engine, entry: Entry) -> Leave:
    """What may become of a statement; what is not known is refused."""
    kinds = _POSTGRESQL if engine is Engine.POSTGRESQL else _MARIADB
    if entry.kind == "ownership" and entry.definition.lower().startswith(_OWNED_BY_SUPERUSERS):
        return Leave.OURS
    return next((leave for leave, known in kinds.items() if entry.kind in known), Leave.REFUSED)

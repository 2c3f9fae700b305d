"""Which kinds of PostgreSQL's statements may run on a side copy, and as whom; never decided by a pattern of text."""

from __future__ import annotations

import re

from sospes.engines.leave import Kinds, Leave, by_kind, words_of
from sospes.model.entries import Entry
from sospes.model.kinds import Kind

_KINDS: Kinds = {
    Leave.RESTORER: Kind.these(
        "setting, schema, type, domain, function, procedure, aggregate, table, sequence, view, default, identity, "
        "attach, constraint, index, rule, trigger, refresh, data, statistics, policy, conversion, collation, operator, "
        "transaction, materialized view, sequence owner, sequence value, large object, large object data, "
        "table setting, foreign table, text search configuration, text search dictionary, lock"
    ),
    Leave.LAST: Kind.these("ownership, grant, event trigger"),
    Leave.ADMINISTRATOR: Kind.these(
        "alteration, comment, extension, publication, cast, transform, server, operator class, operator family, "
        "foreign data wrapper, user mapping, text search parser, text search template, access method"
    ),
    Leave.OURS: Kind.these("role, database, use"),
    Leave.PASSED_OVER: Kind.these("drop, tablespace, statistics values"),
}
EXTENSIONS = frozenset(
    "plpgsql pgcrypto uuid-ossp hstore citext ltree pg_trgm btree_gin btree_gist intarray cube earthdistance unaccent "
    "tablefunc fuzzystrmatch isn lo seg dict_int dict_xsyn tsm_system_rows tsm_system_time bloom tcn "
    "pg_stat_statements pgstattuple postgis postgis_topology postgis_raster vector intagg moddatetime".split()
)
"""Extensions that reach no file and no other server."""

_OWNED_BY_SUPERUSERS = (b"alter role", b"alter database", b"alter event trigger", b"alter foreign data wrapper")
"""What has no owner on a side copy but the server's first user."""

_AUTHORIZATION = (b"set session authorization", b"reset session authorization", b"set role", b"reset role")
"""All is made by one user here; owners are given in the end."""

_OF_SERVER = re.compile(
    rb"comment on (?:database|role|tablespace)\b|(?:grant|revoke)\b[^'\"]*? on (?:database|tablespace|parameter)\b|"
    rb"(?:grant|revoke) (?!.* on )"
)
"""What is said of the server's databases, roles and settings, and who is a member of whom: no part of a side copy."""

_TEMPLATE = b"update pg_catalog.pg_database set datistemplate = false where datname = "
"""What a cluster's script does before it drops a template."""


def leave_of(entry: Entry) -> Leave:
    """What may become of a statement; what is not known is refused."""
    words = words_of(entry, 200)
    if entry.kind in {Kind.OWNERSHIP, Kind.ALTERATION} and words.startswith(_OWNED_BY_SUPERUSERS):
        return Leave.OURS
    if entry.kind in {Kind.COMMENT, Kind.GRANT} and _OF_SERVER.match(words_of(entry, 8_000)):
        return Leave.PASSED_OVER
    if entry.kind == Kind.ALTERATION and words.startswith(b"alter text search"):
        return Leave.RESTORER
    if entry.kind == Kind.CATALOG_UPDATE and words.startswith(_TEMPLATE):
        return Leave.PASSED_OVER
    if entry.kind == Kind.SETTING and words.startswith(_AUTHORIZATION):
        return Leave.PASSED_OVER
    return by_kind(_KINDS, entry)

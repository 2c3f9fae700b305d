"""PostgreSQL, as the rest of the program asks for it."""

from __future__ import annotations

import re

from sospes.engines.dialect import Dialect
from sospes.engines.postgresql import accounts, objects, types
from sospes.engines.postgresql.guard import EXTENSIONS, leave_of
from sospes.engines.postgresql.statements import PostgresqlStatements
from sospes.engines.postgresql.way_back import PostgresqlWayBack
from sospes.model.entries import Engine, Name
from sospes.sql.quoting import double_quoted

_OWN_SCHEMAS = frozenset({"pg_catalog", "information_schema"})
STATEMENTS = PostgresqlStatements(double_quoted)


def _least_version(text: str) -> tuple[int, ...]:
    """The major version, which since 10 is the first number."""
    return tuple(map(int, re.findall(r"\d+", text)[:1]))


def _is_own(name: Name) -> bool:
    return name.schema in _OWN_SCHEMAS


POSTGRESQL = Dialect(
    engine=Engine.POSTGRESQL,
    title="PostgreSQL",
    grammar="postgres",
    quote=double_quoted,
    hold=types.hold,
    meaning=types.meaning,
    is_exact=types.is_exact,
    leave_of=leave_of,
    objects_of=objects.objects_of,
    accounts_of=accounts.accounts_of,
    joined=objects.joined,
    dropping=objects.dropping,
    statements=STATEMENTS,
    way_back=PostgresqlWayBack(),
    least_version=_least_version,
    is_own=_is_own,
    has_schemas=True,
    folds_names=False,
    own_databases=frozenset({"postgres", "template0", "template1"}),
    extensions=EXTENSIONS,
)

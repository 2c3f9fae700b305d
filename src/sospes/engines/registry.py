"""The engines that there are. A new one is added here, and nowhere else above the rooms of SQL text."""

from __future__ import annotations

from sospes.engines.dialect import Dialect
from sospes.engines.mariadb.dialect import MARIADB, MYSQL
from sospes.engines.postgresql.dialect import POSTGRESQL
from sospes.engines.sqlite.dialect import SQLITE
from sospes.model.entries import Engine
from sospes.model.events import Notation

_DIALECTS = {dialect.engine: dialect for dialect in (POSTGRESQL, MARIADB, MYSQL, SQLITE)}
_OF_NOTATION = {
    Notation.COPY: POSTGRESQL, Notation.POSTGRESQL: POSTGRESQL, Notation.MARIADB: MARIADB,
    Notation.MARIADB_PLAIN: MARIADB, Notation.SQLITE: SQLITE, Notation.RECORDS: SQLITE,
}  # fmt: skip


def dialect_of(engine: Engine | None) -> Dialect:
    """The dialect of an engine; where none is known, of the one that scripts are read as in that case."""
    return _DIALECTS[engine or Engine.POSTGRESQL]


def dialect_of_rows(notation: Notation) -> Dialect:
    """The dialect that rows are written in."""
    return _OF_NOTATION[notation]


def title_of(engine: str) -> str:
    """What people call an engine, by the name that it has in documents."""
    return _DIALECTS[Engine(engine)].title


def has_server(engine: str | None) -> bool:
    """Whether a backup can be restored on a server of its engine, by the name that it has in documents."""
    return engine is None or _DIALECTS[Engine(engine)].has_server

"""MariaDB and MySQL, as the rest of the program asks for them."""

from __future__ import annotations

import re
from dataclasses import replace

from sospes.engines.dialect import Dialect
from sospes.engines.mariadb import accounts, objects, types
from sospes.engines.mariadb.guard import leave_of
from sospes.engines.mariadb.statements import MariadbStatements
from sospes.engines.mariadb.way_back import MariadbWayBack
from sospes.model.entries import Engine, Name
from sospes.sql.judging.reach import OWN_DATABASES
from sospes.sql.quoting import back_quoted


def _least_version(text: str) -> tuple[int, ...]:
    """The first two numbers: backups of a series need a server of it."""
    return tuple(map(int, re.findall(r"\d+", text)[:2]))


def _any_version(_text: str) -> tuple[int, ...]:
    """MySQL's backups go into MariaDB, whose versions count otherwise."""
    return ()


def _is_own(name: Name) -> bool:
    return name.database in OWN_DATABASES


MARIADB = Dialect(
    engine=Engine.MARIADB,
    title="MariaDB",
    grammar="mysql",
    quote=back_quoted,
    hold=types.hold,
    meaning=types.meaning,
    is_exact=types.is_exact,
    leave_of=leave_of,
    objects_of=objects.objects_of,
    accounts_of=accounts.accounts_of,
    dropping=objects.dropping,
    statements=MariadbStatements(back_quoted),
    way_back=MariadbWayBack(),
    least_version=_least_version,
    is_own=_is_own,
    own_databases=OWN_DATABASES | {"information_schema"},
)
MYSQL = replace(MARIADB, engine=Engine.MYSQL, title="MySQL", least_version=_any_version)

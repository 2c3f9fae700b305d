"""Whether a statement reaches outside of the database that is restored: files, programs, libraries, the server itself.

What servers and their programs legitimately write is not hostile: functions of untrusted languages, extensions, roles
of a cluster, servers and foreign tables. Bodies of routines and views are free text and not looked into: on a private
server walls hold what they do.
"""

from __future__ import annotations

from collections.abc import Iterable
from itertools import pairwise

from sospes.model.entries import Engine, Entry
from sospes.model.kinds import Kind
from sospes.sql.lexis import Lexis, Token, tokens
from sospes.sql.phrase import Phrase

_OF_POSTGRESQL = frozenset(
    {
        "pg_read_file", "pg_read_binary_file", "pg_ls_dir", "pg_stat_file", "lo_import", "lo_export", "dblink",
        "dblink_exec", "dblink_connect", "dblink_connect_u", "dblink_send_query", "dblink_open",
    }
)  # fmt: skip
_OF_MARIADB = frozenset({"load_file", "sys_exec", "sys_eval"})
_OF_SQLITE = frozenset({"load_extension", "writefile", "readfile", "edit", "fsdir"})
"""Functions that read or write files, run programs, or reach other servers, by engine."""

_CATALOG_TABLES = frozenset({"pg_index", "pg_class", "pg_attribute", "pg_constraint", "pg_database"})
_CHANGES = frozenset({"insert", "replace", "update", "delete", "truncate", "create", "alter", "drop", "rename"})
OWN_DATABASES = frozenset({"mysql", "sys", "performance_schema"})
"""Databases of a MariaDB server's own, whose tables a backup of all databases holds without naming the database."""

_ACCOUNT_TABLES = frozenset(
    {
        "user", "global_priv", "db", "tables_priv", "columns_priv", "procs_priv", "proxies_priv", "roles_mapping",
        "func", "plugin", "servers", "proc", "event",
    }
)  # fmt: skip
"""Tables of a MariaDB server that say who may do what, and what it loads and runs."""

_QUERIES = frozenset({"select", "with", "table", "values", "("})
_SERVER_WORDS = frozenset(
    {
        "uninstall", "kill", "restart", "binlog", "purge", "reset master", "rename user", "set password",
        "backup stage", "backup lock", "create logfile", "create undo", "drop logfile", "change tablespace",
    }
)  # fmt: skip
"""How statements of MariaDB begin that are about the server, its logs and its accounts, and stand in no backup."""

_OF_SERVER = frozenset({"global", "persist", "persist_only", "@@global"})
_GLOBALS = frozenset({"gtid_slave_pos", "gtid_purged", "log_output", "innodb_stats_auto_recalc"})
"""Settings of the whole server that backup programs write: where a replica goes on, and while logs are put back."""

LIBRARIES = frozenset(
    {"local_preload_libraries", "session_preload_libraries", "shared_preload_libraries", "dynamic_library_path"}
)
"""Settings of PostgreSQL that name libraries to load."""


def changes_accounts(entry: Entry) -> bool:
    """Whether rows are changed or taken away that say who may do what on a MariaDB server."""
    return (
        entry.kind in {Kind.EMPTYING, Kind.CATALOG_UPDATE}
        and (entry.name.database or "").lower() in OWN_DATABASES
        and entry.name.name.lower() in _ACCOUNT_TABLES
    )


def call_outside(text: bytes, lexis: Lexis) -> str:
    """A function that is called in a value, outside of its strings, and reads files or runs programs; empty without."""
    return _called_outside(tokens(text, lexis), lexis) if b"(" in text else ""


def _called_outside(said: Iterable[Token], lexis: Lexis) -> str:
    """The first function that reaches outside and is called; names of tables stand behind other words."""
    functions = _OUTSIDE.get(lexis.engine.family, frozenset())
    before = ""
    for one, following in pairwise(said):
        called = following.word == "(" and one.kind in {"word", "name"} and one.text.lower() in functions
        if called and before not in _BEFORE_TABLES:
            return one.text.lower()
        before = before if one.word == "." or following.word == "." else one.word
    return ""


_OUTSIDE = {Engine.POSTGRESQL: _OF_POSTGRESQL, Engine.MARIADB: _OF_MARIADB, Engine.SQLITE: _OF_SQLITE}
_BEFORE_TABLES = frozenset({"into", "table", "on", "references", "exists", "index", "view", "copy", "only"})


def reach_of(phrase: Phrase) -> str:
    """Why the statement reaches outside of the database that is restored, or an empty text."""
    first, second = phrase.word(), phrase.word(1)
    if first in {"load", "install", "attach", "detach", "shutdown", "source", "system", "handler"}:
        return f"{first} reaches outside of the database"
    if first == "alter" and second == "system":
        return "alter system changes the server's settings"
    if second == "owned" and first in {"drop", "reassign"}:
        return f"{first} owned reaches for all that somebody has on the server"
    words = [(token.kind, token.text.lower()) for token in phrase.tokens]
    plain = {text for kind, text in words if kind == "word"}
    if first == "copy" and ("word", "stdin") not in words:
        return "copy from or to a file or program of the server"
    if first in _QUERIES and {"outfile", "dumpfile"} & plain:
        return "writes a file on the server"
    if first == "vacuum" and "into" in plain:
        return "writes another file"
    makes_rows = first not in {"create", "comment", "alter", "grant", "drop"} or _makes_a_table_of_a_query(phrase)
    if makes_rows and (called := _called_outside(phrase.tokens, phrase.lexis)):
        return f"calls {called}, which reaches outside of the database"
    if first == "do" and phrase.lexis.engine is Engine.POSTGRESQL:
        return "runs an anonymous program, which no backup program writes"
    if phrase.lexis.is_mariadb:
        return _of_mariadb(phrase, first, second, plain)
    return _of_postgresql(phrase, first) if phrase.lexis.engine is Engine.POSTGRESQL else ""


def _makes_a_table_of_a_query(phrase: Phrase) -> bool:
    """Whether CREATE TABLE runs a query; those of views run when somebody reads them."""
    head = {token.word for token in phrase.tokens[1:5]}
    return phrase.word() == "create" and "table" in head and any(token.word == "select" for token in phrase.tokens)


def _of_mariadb(phrase: Phrase, first: str, second: str, plain: set[str]) -> str:
    """Settings of the whole server, libraries, anonymous programs, and the server's own tables."""
    if first == "begin" and second == "not":
        return "runs an anonymous program, which no backup program writes"
    if "soname" in plain:
        return "loads a library into the server"
    if first in _SERVER_WORDS or f"{first} {second}" in _SERVER_WORDS:
        return "is about the server itself, which no backup program writes"
    tokens = phrase.tokens
    own = sorted(OWN_DATABASES & {token.text.lower() for token in tokens[2:5]})
    if own and first == "drop" and second in {"database", "schema"}:
        return f"drops {own[0]}, the server's own database"
    if first == "set":
        for index, token in enumerate(tokens):
            name = tokens[index + 2 if token.word == "@@global" else index + 1 : index + 3]
            if token.word in _OF_SERVER and name and name[0].text.lower() not in _GLOBALS:
                return f"sets {name[0].text.lower()} for the whole server"
    if first in _CHANGES:
        for one, dot in pairwise(tokens[1:11]):
            if dot.word == "." and one.kind in {"word", "name"} and one.text.lower() in OWN_DATABASES:
                return f"changes tables of the server itself, in {one.text.lower()}"
    return ""


def _of_postgresql(phrase: Phrase, first: str) -> str:
    """Changes of the catalog, but for the few that its programs write, and settings that load libraries."""
    tokens = phrase.tokens
    if first == "set" and LIBRARIES & {token.word for token in tokens[1:4]}:
        return "has the server load a library"
    if first not in _CHANGES or (first == "create" and {"cast", "extension"} & {one.word for one in tokens[1:4]}):
        return ""
    head = tokens[1:8]
    for one, dot, other in zip(head, head[1:], head[2:], strict=False):
        if dot.word == "." and one.text == "pg_catalog" and (first != "update" or other.text not in _CATALOG_TABLES):
            return f"changes pg_catalog.{other.text}, which is the server's own"
    named = [token.text for token in tokens[1:5]]
    return "drops the server's own catalog" if first == "drop" and "pg_catalog" in named else ""

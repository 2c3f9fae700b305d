"""Whether a statement reaches outside of the database that is restored: files, programs, libraries, the server itself.

What servers and their programs legitimately write is not hostile: functions of untrusted languages, extensions, roles
of a cluster, servers and foreign tables. Bodies of routines and views are free text and not looked into: on a private
server walls hold what they do.
"""

from __future__ import annotations

from itertools import pairwise

from sospes.formats.script.lexis import Lexis, tokens
from sospes.formats.script.phrase import Phrase
from sospes.model.entries import Engine, Entry

_OUTSIDE_FUNCTIONS = frozenset(
    [
        "pg_read_file",
        "pg_read_binary_file",
        "pg_ls_dir",
        "lo_import",
        "lo_export",
        "dblink",
        "dblink_exec",
        "dblink_connect",
        "load_file",
        "load_extension",
        "pg_execute_server_program",
        "sys_exec",
        "sys_eval",
        "writefile",
        "readfile",
        "edit",
        "fsdir",
    ]
)
_CATALOG_TABLES = frozenset(["pg_index", "pg_class", "pg_largeobject", "pg_attribute", "pg_constraint", "pg_database"])
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

_OF_SERVER = frozenset({"global", "persist", "persist_only", "@@global"})
_GLOBALS = frozenset({"gtid_slave_pos", "gtid_purged", "log_output", "innodb_stats_auto_recalc"})
"""Settings of the whole server that backup programs write: where a replica goes on, and while logs are put back."""

_LIBRARIES = frozenset(
    {"local_preload_libraries", "session_preload_libraries", "shared_preload_libraries", "dynamic_library_path"}
)


def changes_accounts(entry: Entry) -> bool:
    """Whether rows are changed or taken away that say who may do what on a MariaDB server."""
    return (
        entry.kind in {"emptying", "catalog update"}
        and (entry.name.database or "").lower() in OWN_DATABASES
        and entry.name.name.lower() in _ACCOUNT_TABLES
    )


def call_outside(text: bytes, lexis: Lexis) -> str:
    """A function that is called in a value, outside of its strings, and reads files or runs programs; empty without."""
    if b"(" not in text:
        return ""
    for one, following in pairwise(tokens(text, lexis)):
        if following.word == "(" and one.kind in {"word", "name"} and one.text.lower() in _OUTSIDE_FUNCTIONS:
            return one.text.lower()
    return ""


def reach_of(phrase: Phrase) -> str:
    """Why the statement reaches outside of the database that is restored, or an empty text."""
    first, second = phrase.word(), phrase.word(1)
    if first in {"load", "install", "attach", "detach", "shutdown", "source", "system", "handler"}:
        return f"{first} reaches outside of the database"
    if first == "alter" and second == "system":
        return "alter system changes the server's settings"
    words = [(token.kind, token.text.lower()) for token in phrase.tokens]
    plain = {text for kind, text in words if kind == "word"}
    if first == "copy" and ("word", "stdin") not in words:
        return "copy from or to a file or program of the server"
    if first in {"select", "with"} and {"outfile", "dumpfile"} & plain:
        return "writes a file on the server"
    if first == "vacuum" and "into" in plain:
        return "writes another file"
    if first not in {"create", "comment", "alter", "grant"} and _OUTSIDE_FUNCTIONS & plain:
        return f"calls {min(_OUTSIDE_FUNCTIONS & plain)}, which reaches outside of the database"
    if first == "do" and phrase.lexis.engine is Engine.POSTGRESQL:
        return "runs an anonymous program, which no backup program writes"
    if phrase.lexis.is_mariadb:
        return _of_mariadb(phrase, first, second, plain)
    return _of_postgresql(phrase, first) if phrase.lexis.engine is Engine.POSTGRESQL else ""


def _of_mariadb(phrase: Phrase, first: str, second: str, plain: set[str]) -> str:
    """Settings of the whole server, libraries, anonymous programs, and the server's own tables."""
    if first == "begin" and second == "not":
        return "runs an anonymous program, which no backup program writes"
    if "soname" in plain:
        return "loads a library into the server"
    tokens = phrase.tokens
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
    if first == "set" and _LIBRARIES & {token.word for token in tokens[1:4]}:
        return "has the server load a library"
    if first not in _CHANGES or (first == "create" and {"cast", "extension"} & {one.word for one in tokens[1:4]}):
        return ""
    head = tokens[1:8]
    for one, dot, other in zip(head, head[1:], head[2:], strict=False):
        if dot.word == "." and one.text == "pg_catalog" and (first != "update" or other.text not in _CATALOG_TABLES):
            return f"changes pg_catalog.{other.text}, which is the server's own"
    named = [token.text for token in tokens[1:5]]
    return "drops the server's own catalog" if first == "drop" and "pg_catalog" in named else ""

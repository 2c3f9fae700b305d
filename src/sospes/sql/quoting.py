"""Names and texts as they are written in SQL, whatever is in them.

Sources: the SQL standard's delimited identifiers and character literals; MariaDB Knowledge Base, "Identifier Names".
"""

from __future__ import annotations


def double_quoted(name: str) -> str:
    """A name as the standard delimits it, and PostgreSQL and SQLite take it."""
    return '"' + name.replace('"', '""') + '"'


def back_quoted(name: str) -> str:
    """A name as MariaDB and MySQL delimit it."""
    return "`" + name.replace("`", "``") + "`"


def literal(text: str) -> str:
    """A text between single quotes, for engines that take backslashes for what they are."""
    return "'" + text.replace("'", "''") + "'"

"""Names and texts as they are written in SQL, whatever is in them.

Sources: the SQL standard's delimited identifiers and character literals; MariaDB Knowledge Base, "Identifier Names".
"""

from __future__ import annotations

from collections.abc import Callable


def double_quoted(name: str) -> str:
    """A name as the standard delimits it, and PostgreSQL and SQLite take it."""
    return '"' + name.replace('"', '""') + '"'


def back_quoted(name: str) -> str:
    """A name as MariaDB and MySQL delimit it."""
    return "`" + name.replace("`", "``") + "`"


def dotted(quote: Callable[[str], str], *parts: str | None) -> str:
    """A qualified name, each part delimited; parts that are empty or None are left out."""
    return ".".join(quote(part) for part in parts if part)


def literal(text: str) -> str:
    """A text between single quotes, for engines that take backslashes for what they are."""
    return "'" + text.replace("'", "''") + "'"

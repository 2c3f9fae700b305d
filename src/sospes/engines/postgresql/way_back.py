"""How PostgreSQL brings tables back: all in one transaction, rows by COPY.

Sources: PostgreSQL documentation, "SQL Commands": COPY, SET, CREATE SEQUENCE; "System Catalogs": pg_sequence.
"""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence

from sospes.engines.postgresql.left_out import at_home
from sospes.engines.postgresql.rebuilding import rebuilt
from sospes.engines.way_back import Called, Rows, Step
from sospes.model.entries import Engine, Entry, Name
from sospes.model.kinds import Kind
from sospes.sql.lexis import Lexis
from sospes.sql.phrase import Phrase
from sospes.sql.quoting import dotted, double_quoted, literal
from sospes.sql.renaming import outer_words, renamed

_SEARCH_PATH = re.compile(r"\bsearch_path\b\W*?(?:=|to|',)\s*([^;)]*)", re.I)
_STRINGS = re.compile(r"standard_conforming_strings\s*(?:=|to)\s*'?(on|off)\b", re.I)
_XML = re.compile(r"xmloption\s*(?:=|to)\s*'?(content|document)\b", re.I)
_PATH_NAME = re.compile(r'"(?:[^"]|"")+"|[A-Za-z_][\w$]*')
_VALUE = re.compile(r"setval\s*\(\s*E?'(?:[^']|'')*'(?:::regclass)?\s*,\s*(-?\d+)\s*(?:,\s*(true|false)\s*)?\)", re.I)
_LANGUAGE = re.compile(r"\blanguage\s+['\"]?(\w+)", re.I)
_ALL_TRIGGERS = re.compile(rb"able\s+trigger\s+all\b", re.I)
_REBUILT = frozenset({Kind.COMMENT, Kind.GRANT, Kind.OWNERSHIP, Kind.EXTENSION})
"""Kinds of which only words are taken over, and no text of the backup is run."""


class PostgresqlWayBack:
    """Statements that PostgreSQL takes, for tables that come back."""

    longest = 63
    in_bytes = True
    copies = True
    transactional = True
    names_aside = False

    working = """SELECT pg_catalog.string_agg(DISTINCT proname, ' ') FROM pg_catalog.pg_proc
WHERE pronamespace = 'pg_catalog'::pg_catalog.regnamespace AND provolatile = 'v' AND proname NOT IN (
  'nextval', 'currval', 'lastval', 'random', 'random_normal', 'clock_timestamp', 'timeofday', 'gen_random_uuid',
  'uuidv4', 'uuidv7')"""

    settings = (
        b"SET LOCAL client_encoding = 'UTF8'", b"SET LOCAL search_path = ''", b"SET LOCAL timezone = 'UTC'",
        b"SET LOCAL datestyle = 'ISO, YMD'", b"SET LOCAL intervalstyle = postgres",
        b"SET LOCAL check_function_bodies = off", b"SET LOCAL xmloption = content",
        b"SET LOCAL standard_conforming_strings = on", b"SET LOCAL lock_timeout = '10s'",
        b"SET LOCAL statement_timeout = 0", b"SET LOCAL idle_in_transaction_session_timeout = 0",
    )  # fmt: skip

    def setting(self, entry: Entry) -> tuple[str, bytes]:
        """Where names are looked for, how strings and XML are read; each until the transaction's end only."""
        text = entry.text
        if path := _SEARCH_PATH.search(text):
            listed = ", ".join(_PATH_NAME.findall(path[1].strip().strip("'"))) or "''"
            return "search_path", f"SET LOCAL search_path = {_without_flag(listed)}".encode()
        if said := _STRINGS.search(text):
            return "strings", f"SET LOCAL standard_conforming_strings = {said[1]}".encode()
        if said := _XML.search(text):
            return "xml", f"SET LOCAL xmloption = {said[1]}".encode()
        return "", b""

    def statement(self, entry: Entry, called: Called) -> bytes:
        """Words of the backup written anew, or its own definition without tablespaces; in UTF-8."""
        if entry.kind in _REBUILT:
            return _in_utf8(rebuilt(entry) or b"", entry.encoding)
        if entry.kind == Kind.SCHEMA:  # its own statement may make and grant what it likes
            return f"CREATE SCHEMA {double_quoted(entry.name.name)}".encode()
        if entry.kind == Kind.SEQUENCE_VALUE:
            return _value_set(entry)
        if entry.kind == Kind.TABLE:
            _require_columns(entry)
        if entry.kind == Kind.MATERIALIZED_VIEW:
            return _in_utf8(_unfilled(entry.definition), entry.encoding)
        if entry.kind == Kind.TABLE_SETTING and _ALL_TRIGGERS.search(entry.definition):
            return b""  # for rows that go into tables with triggers, which these have not yet
        return _in_utf8(at_home(entry).strip().rstrip(b";"), entry.encoding)

    def bare(self, entry: Entry, called: Called) -> bytes:
        """A table, its keys, checks and indexes under another name; the server names keys and indexes."""
        if entry.kind == Kind.TABLE:
            _require_columns(entry)
        about = entry.subject
        new = called.get(about, about.name)
        label = dotted(double_quoted, about.schema, new)
        if entry.kind == Kind.CONSTRAINT:
            [constraint] = entry.constraints
            found = re.sub(r'^CONSTRAINT (?:"(?:[^"]|"")+"|\S+) ', "", constraint.text.rstrip("; "), count=1)
            return f"ALTER TABLE {label} ADD {found}".encode()
        statement = renamed(entry, Lexis(Engine.POSTGRESQL, encoding=entry.encoding), new, double_quoted)
        if entry.kind == Kind.INDEX:
            statement = _unnamed(statement, entry.encoding)
        return _in_utf8(statement.strip().rstrip(b";"), entry.encoding)

    def undoing(self, entry: Entry, called: Called) -> bytes:
        """Nothing: the transaction takes all back."""
        return b""

    def reaches_outside(self, entry: Entry) -> bool:
        """Any language but the two that every server lets everybody use; aggregates have none of their own."""
        named = {found.lower() for found in _LANGUAGE.findall(entry.text)}
        return bool(named - {"sql", "plpgsql"})

    def taken_up(self, entry: Entry) -> bytes:
        """Set a sequence that is there to the further one of its own value and the backup's, in its own direction.

        One that belongs to a column of another table by now is left alone.
        """
        value = _VALUE.search(entry.text)
        if value is None or (value[2] or "true").lower() == "false":
            return b""
        name = dotted(double_quoted, entry.name.schema, entry.name.name)
        return (
            f"SELECT pg_catalog.setval({literal(name)}::pg_catalog.regclass, CASE WHEN q.seqincrement < 0 "
            f"THEN LEAST({value[1]}, s.last_value) ELSE GREATEST({value[1]}, s.last_value) END, true) "
            f"FROM {name} s, pg_catalog.pg_sequence q WHERE q.seqrelid = {literal(name)}::pg_catalog.regclass "
            "AND NOT EXISTS (SELECT FROM pg_catalog.pg_depend d WHERE d.objid = q.seqrelid AND d.deptype IN ('a', 'i') "
            "AND d.classid = 'pg_class'::regclass AND d.refobjsubid > 0)"
        ).encode()

    def opening(self, table: Name, columns: Sequence[str]) -> bytes:
        """COPY into the table's columns by name."""
        listed = f" ({', '.join(map(double_quoted, columns))})" if columns else ""
        return f"COPY {dotted(double_quoted, table.schema, table.name)}{listed} FROM STDIN".encode()

    def plain_rights(self, made: Sequence[Name]) -> bytes:
        """Take back what ALTER DEFAULT PRIVILEGES gave to others than the owner."""
        listed = ", ".join(literal(dotted(double_quoted, name.schema, name.name)) for name in made)
        return _PLAIN_RIGHTS.format(listed=listed).encode() if listed else b""

    def script(self, steps: Sequence[Step], rows: Rows) -> Iterator[bytes]:
        """One transaction, for the engine's own client; the first error ends it."""
        yield b"\\set ON_ERROR_STOP on\nBEGIN;\n"
        yield from (setting + b";\n" for setting in self.settings)
        for step in steps:
            yield b"-- " + " ".join(step.label.split()).encode() + b"\n" + step.statement + b";\n"
            if step.rows is not None:
                yield from map(rows, step.rows)
                yield b"\\.\n"
        yield b"COMMIT;\n"


_VALUE_ONLY = re.compile(
    r"\s*select\s+(?:pg_catalog\.)?setval\s*\(\s*E?'(?:[^'\\]|'')*'(?:::regclass)?\s*,\s*(-?\d+)\s*"
    r"(?:,\s*(true|false)\s*)?\)\s*;?\s*",
    re.I,
)
_FILLED = re.compile(rb"\s+with\s+(?:no\s+)?data\s*;?\s*$|\s*;?\s*$", re.I)


def _value_set(entry: Entry) -> bytes:
    """A sequence's value, and nothing else that a query could do; empty where it does more."""
    value = _VALUE_ONLY.fullmatch(entry.text)
    if value is None:
        return b""
    name = literal(dotted(double_quoted, entry.name.schema, entry.name.name))
    return f"SELECT pg_catalog.setval({name}::pg_catalog.regclass, {value[1]}, {(value[2] or 'true').lower()})".encode()


def _require_columns(entry: Entry) -> None:
    """Raises ValueError for a table that is made of a query."""
    words = outer_words(entry.definition, Lexis(Engine.POSTGRESQL, encoding=entry.encoding))
    if {"as", "select", "execute"} & set(words[2:]):
        raise ValueError("it is made of a query")


def _unfilled(statement: bytes) -> bytes:
    """A stored view's definition that runs no query."""
    return _FILLED.sub(b" WITH NO DATA", statement.strip(), count=1)


_PLAIN_RIGHTS = """DO $sospes$
DECLARE given record;
BEGIN
  FOR given IN SELECT DISTINCT c.oid::regclass AS what, a.grantee FROM pg_class c, aclexplode(c.relacl) a
    WHERE c.oid IN (SELECT to_regclass(n) FROM unnest(ARRAY[{listed}]) n) AND a.grantee <> c.relowner
  LOOP EXECUTE 'REVOKE ALL ON ' || given.what || ' FROM '
    || CASE given.grantee WHEN 0 THEN 'PUBLIC' ELSE quote_ident(pg_get_userbyid(given.grantee)) END; END LOOP;
END $sospes$"""


def _without_flag(listed: str) -> str:
    """The names of a search path without the last argument of the function that sets it."""
    return re.sub(r",\s*(?:false|true)$", "", listed) if listed not in {"false", "true"} else "''"


def _unnamed(statement: bytes, encoding: str) -> bytes:
    """CREATE INDEX without the index's name."""
    phrase = Phrase(statement, Lexis(Engine.POSTGRESQL, encoding=encoding))
    index = next(place for place, token in enumerate(phrase.tokens) if token.word == "index")
    phrase.position = index + 1
    phrase.take("concurrently")
    _ = phrase.take("if", "not", "exists")
    first = phrase.token
    if first.word == "on":
        return statement
    phrase.parts()
    return statement[: first.start] + statement[phrase.token.start :]


def _in_utf8(statement: bytes, encoding: str) -> bytes:
    """A statement in UTF-8. Raises ValueError for bytes that are no text in its own encoding."""
    return statement if encoding == "utf-8" else statement.decode(encoding).encode()

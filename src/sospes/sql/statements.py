"""What a statement is: its kind, the name it gives or touches, and whether it reaches outside."""

from __future__ import annotations

from dataclasses import dataclass, replace

from sospes.model.entries import Column, Constraint, ConstraintKind, Engine, Entry, Name
from sospes.model.kinds import Kind
from sospes.sql.definitions import key_columns, read_constraint, read_table_body
from sospes.sql.grammar import strange_item, strange_items
from sospes.sql.judging.reach import reach_of
from sospes.sql.lexis import Lexis
from sospes.sql.phrase import Phrase, qualified

_MODIFIERS = frozenset(
    [
        "or",
        "replace",
        "global",
        "local",
        "temp",
        "temporary",
        "unlogged",
        "recursive",
        "trusted",
        "procedural",
        "virtual",
        "default",
    ]
)
_KINDS = {
    1: frozenset(
        (
            "table view index sequence schema type domain function procedure aggregate trigger event "
            "rule extension collation cast operator language publication subscription server policy "
            "statistics conversion role user tablespace database transform group "
        ).split()
    ),
    2: frozenset(
        {
            "materialized view", "event trigger", "constraint trigger", "foreign table", "user mapping",
            "access method",
            "operator class", "operator family", "unique index", "fulltext index", "spatial index",
            "virtual table",
            "text search", "package body",
        }
    ),
    3: frozenset({"foreign data wrapper"}),
}  # fmt: skip
_NAMELESS = frozenset({"cast", "user mapping", "transform"})
_SIMPLE = {
    "set": "setting", "reset": "setting", "begin": "transaction", "start": "transaction", "commit": "transaction",
    "rollback": "rollback", "end": "transaction", "savepoint": "transaction", "comment": "comment",
    "grant": "grant", "revoke": "grant", "lock": "lock", "unlock": "lock", "security": "comment",
    "refresh": "refresh", "analyze": "refresh", "truncate": "emptying", "delete": "emptying", "do": "action",
    "update": "catalog update", "pragma": "setting", "flush": "setting", "change": "replication", "stop": "replication",
    "execute": "action", "prepare": "action", "deallocate": "action", "reindex": "refresh",
    "cluster": "action", "vacuum": "refresh", "notify": "action", "discard": "setting", "with": "action",
    "call": "action", "values": "action", "replace": "data", "insert": "data", "merge": "action", "table": "action",
    "declare": "action", "fetch": "action", "move": "action", "close": "action", "xa": "action", "show": "setting",
    "explain": "action", "describe": "setting", "desc": "setting", "release": "transaction", "listen": "setting",
    "unlisten": "setting", "checkpoint": "setting", "optimize": "refresh", "check": "refresh", "checksum": "setting",
    "repair": "refresh",
}  # fmt: skip


_ROLE_AGAIN = ["execute", "immediate", "concat", "(", "'set role '", ",", "@current_role", ")"]
_ACCOUNT_WORDS = [[verb, what] for verb in ("create", "alter", "drop") for what in ("user", "role")] + [["set", "role"]]


@dataclass(frozen=True, slots=True)
class Where:
    """Where the script stands when a statement comes: database, default schema, place."""

    database: str | None
    schema: str | None
    plain_from: int
    line: int


class Classifier:
    """Turns one statement into an entry."""

    def __init__(self, statement: bytes, lexis: Lexis, where: Where) -> None:
        self._statement = statement
        self._where = where
        # A definition of megabytes is a long string (a picture as a default, a body): its head says what it is.
        self._head_only = len(statement) > 1 << 20
        self._phrase = Phrase(statement[: 1 << 16] if self._head_only else statement, lexis)
        self._lexis = lexis

    def phrase(self) -> Phrase:
        """The words of the whole statement."""
        return Phrase(self._statement, self._lexis) if self._head_only else self._phrase

    def last_name(self) -> str:
        """The name that the statement ends with."""
        named = [token.text for token in self._phrase.tokens if token.kind in {"word", "name"}]
        return named[-1] if named else ""

    def entry(self) -> Entry:
        """The entry; of kind 'unknown' when the statement begins with no known word."""
        # First of all: what reaches outside is told as that, whatever kind of statement it claims to be.
        reach = reach_of(self._phrase)
        if reach:
            return self._entry("hostile", reach)
        phrase = self._phrase
        if self._is_account():
            return self._entry("account", self._first_words())
        if phrase.take("create"):
            return self._create()
        if phrase.take("alter"):
            return self._alter()
        if phrase.take("copy"):
            return self._entry("data", table=self._name())
        if phrase.take("drop"):
            return self._drop()
        if phrase.take("use"):
            return self._entry("use", phrase.identifier())
        if phrase.take("select"):
            return self._select()
        # MariaDB's backup programs set a sequence by DO SETVAL(...), as its SELECT would print a row.
        if phrase.word() == "do" and phrase.word(1) == "setval":
            phrase.position += 3
            return self._entry("sequence value", self._name())
        if self._lexis.engine is Engine.POSTGRESQL and phrase.word() == "import":
            return self._entry("foreign table", "")
        if phrase.word() == "insert" and self._lexis.engine is Engine.SQLITE:
            return self._schema_insert()
        if self._lexis.is_mariadb and phrase.take("rename", "table"):
            return self._entry("table setting", name := self._name(), name)
        starts_replica = phrase.word() == "start" and phrase.word(1) in {"slave", "replica", "all"}
        kind = "replication" if starts_replica else _SIMPLE.get(phrase.word(), "unknown")
        return self._simple(kind)

    def _simple(self, kind: str) -> Entry:
        """The entry of a statement whose first word says what kind it is of."""
        phrase = self._phrase
        if kind in {"emptying", "catalog update"}:
            return self._changing(kind)
        if (
            kind == "lock"
            and self._lexis.is_mariadb
            and (phrase.take("lock", "tables") or phrase.take("lock", "table"))
        ):
            return self._entry(kind, self._name())
        return self._entry(kind, self._first_words(), table=self._touched(kind))

    def _is_account(self) -> bool:
        """Whether a statement of MariaDB is about users and roles, which belong to the server and not to a database."""
        if not self._lexis.is_mariadb:
            return False
        words = [token.text.lower() for token in self._phrase.tokens[:5] if token.kind in {"word", "mark"}]
        words = [word for word in words if word not in {"or", "replace"}]
        return (
            words[:2] in _ACCOUNT_WORDS
            or words[:3] == ["set", "default", "role"]
            or words[:4] == ["select", "coalesce", "(", "current_role"]
            or [token.text.lower() for token in self._phrase.tokens[:8]] == _ROLE_AGAIN
        )

    def _entry(
        self,
        kind: str,
        name: Name | str = "",
        table: Name | None = None,
        columns: tuple[Column, ...] = (),
        constraints: tuple[Constraint, ...] = (),
    ) -> Entry:
        """An entry of the whole statement, with what is known of it by now; a bare name is one without a schema."""
        if isinstance(name, str):
            name = Name(self._where.database, None, name)
        return Entry(
            kind=Kind(kind),
            name=name,
            about=table,
            definition=self._statement,
            plain_from=self._where.plain_from,
            plain_to=self._where.plain_from + len(self._statement),
            line=self._where.line,
            columns=columns,
            constraints=constraints,
            delimiter=self._lexis.delimiter,
            encoding=self._lexis.encoding,
        )

    def _name(self) -> Name:
        """The name that comes next, with the database and schema that the script stands in."""
        return self._phrase.name(self._where.database, self._where.schema)

    def _first_words(self) -> str:
        """How the statement begins: what tells one from another where no name does."""
        return " ".join(token.text for token in self._phrase.tokens[:4])[:60]

    def _touched(self, kind: str) -> Name | None:
        """The table that a comment, grant or insert is about."""
        phrase = self._phrase
        words = [token.text.lower() for token in phrase.tokens[:60]]
        markers: tuple[str, ...] = ("table", "column", "into", "on")
        if kind == "comment":
            subject = words[2] if len(words) > 2 else ""
            if subject not in {"table", "column", "constraint", "trigger", "rule", "policy"}:
                return None
            markers = ("table", "column") if subject in {"table", "column"} else ("on",)
            words = words if markers != ("on",) else ["", "", "", *words[3:]]
        for marker in markers:
            if kind in {"comment", "grant", "data", "catalog update"} and marker in words:
                phrase.position = words.index(marker) + 1
                phrase.take("table")
                if kind == "grant" and phrase.word() in _KINDS[1] | {"large", "foreign", "all"}:
                    return None
                parts = phrase.parts()
                # The last part of a column's name is the column.
                if marker == "column":
                    parts = parts[:-1]
                return qualified(parts, self._lexis, self._where.database, self._where.schema)
        return None

    def _create(self) -> Entry:
        """CREATE of any kind: what it makes is told by up to three words, and each kind names it in its own place."""
        phrase = self._phrase
        self._step_over_modifiers()
        # CREATE AGGREGATE FUNCTION is MariaDB's; with PostgreSQL, AGGREGATE is the kind itself.
        if self._lexis.is_mariadb and phrase.word(1) == "function":
            phrase.take("aggregate")
        # The longest kind first: MATERIALIZED VIEW is no kind MATERIALIZED.
        for length in (3, 2, 1):
            kind = " ".join(filter(None, (phrase.word(ahead) for ahead in range(length))))
            if kind in _KINDS[length]:
                phrase.position += length
                break
        else:
            return self._entry("unknown", self._first_words())
        kind = _plain_kind(kind)
        if kind == "text search":
            kind = f"text search {phrase.word()}"
            phrase.position += 1
        phrase.take("concurrently")
        # Written by people and by some programs; it changes nothing of what is defined.
        _ = phrase.take("if", "not", "exists")
        if kind in {"table", "foreign table"}:
            return self._table(kind)
        if kind == "index":
            return self._index()
        if kind == "operator":
            return self._entry(kind, self._operator_name())
        if kind in _NAMELESS:
            return self._entry(kind, self._rest_as_name())
        name = self._name()
        if kind == "type" and phrase.take("as") and phrase.word() == "(":
            columns, _ = read_table_body(phrase, *phrase.group(), name)
            return self._entry(kind, name, columns=columns)
        # These belong to no schema, whatever the search path is just now.
        if kind in {"schema", "database", "role", "tablespace", "extension", "publication", "language"}:
            name = Name(self._where.database, None, name.name)
        if kind in {"trigger", "rule", "policy"}:
            return self._entry(kind, Name(name.database, None, name.name), table=self._after_on(kind))
        return self._entry(kind, name)

    def _operator_name(self) -> Name:
        """An operator's name is made of marks, with its schema before a dot."""
        phrase = self._phrase
        schema = phrase.identifier()
        phrase.take(".")
        marks = ""
        while phrase.word() not in {"(", ""}:
            marks += phrase.word()
            phrase.position += 1
        return Name(self._where.database, schema or self._where.schema, marks)

    def _rest_as_name(self) -> str:
        """What follows, as text: casts, operator classes and the like have no name of their own."""
        phrase = self._phrase
        return phrase.text(phrase.position, min(len(phrase.tokens), phrase.position + 12))[:80]

    def _step_over_modifiers(self) -> None:
        """Pass over words between CREATE and the kind: OR REPLACE, TEMPORARY, a definer, an algorithm."""
        phrase = self._phrase
        while True:
            if phrase.take_any(_MODIFIERS):
                # VIRTUAL is a modifier with MariaDB's columns, and with SQLite part of the kind VIRTUAL TABLE.
                if phrase.tokens[phrase.position - 1].text.lower() == "virtual" and phrase.word() == "table":
                    phrase.position -= 1
                    return
            elif phrase.word() in {"definer", "algorithm"}:
                phrase.position += 3
                while phrase.word() in {"@", "(", ")"} or phrase.token.text.startswith("@"):
                    phrase.position += 2 if phrase.word() == "@" else 1
            elif phrase.word() == "sql":
                phrase.position += 3
            else:
                return

    def _after_on(self, kind: str) -> Name | None:
        """The table that a trigger, policy or rule is about, which stands behind a word of its own."""
        phrase = self._phrase
        marker = "to" if kind == "rule" else "on"
        for index in range(phrase.position, len(phrase.tokens)):
            token = phrase.tokens[index]
            if token.kind == "word" and token.text.lower() == marker:
                phrase.position = index + 1
                return self._name()
        return None

    def _table(self, kind: str) -> Entry:
        """CREATE TABLE: its columns and constraints, what it inherits from, and what is none of the grammar."""
        phrase = self._phrase
        name = self._name()
        # sqlite_sequence and sqlite_stat1 stand in dumps as CREATE TABLE, and the engine makes them by itself.
        if self._lexis.engine is Engine.SQLITE and name.name.lower().startswith("sqlite_"):
            return self._entry("engine table", name)
        parents: tuple[Name, ...] = ()
        if phrase.take("of") or phrase.take("partition", "of"):
            parents = (self._name(),)
        first, last = phrase.group()
        after = phrase.position
        columns, constraints = read_table_body(phrase, first, last, name)
        strange = strange_items(phrase, first, last)
        phrase.position = after
        if phrase.take("inherits"):
            start, end = phrase.group()
            for begin, _ in phrase.items(start, end):
                phrase.position = begin
                parents += (self._name(),)
            phrase.position = end
        rest = [token.text.lower() for token in phrase.tokens[after:]]
        # A partitioned table has no rows of its own: that it has none is no sign of damage.
        options = {"partitioned"} if "partition" in rest else set()
        if any(phrase.tokens[begin].text == "like" for begin, _ in phrase.items(first, last)):
            options.add("open")  # columns come from another table
        if self._lexis.engine is not Engine.POSTGRESQL:
            options = {word for word in ("without", "strict", "versioning") if word in rest}
            columns = _with_default_collation(columns, rest)
        entry = self._entry(kind, name, table=name, columns=columns, constraints=constraints)
        return replace(entry, parents=parents, options=frozenset(options), strange=strange)

    def _index(self) -> Entry:
        """CREATE INDEX: the columns that it is over, and whether it demands that they be unique."""
        phrase = self._phrase
        unique = any(token.text.lower() == "unique" for token in phrase.tokens[:3])
        name = "" if phrase.word() == "on" else self._name().name
        phrase.take("on")
        phrase.take("only")
        table = self._name()
        method = phrase.identifier() if phrase.take("using") else "btree"
        first, last = phrase.group()
        after = phrase.position
        columns, _ = key_columns(phrase, first, last)
        rest = [token.text.lower() for token in phrase.tokens[after:]]
        predicate = phrase.text(after + rest.index("where") + 1, len(phrase.tokens)) if "where" in rest else None
        constraint = Constraint(
            kind=ConstraintKind.UNIQUE if unique else ConstraintKind.INDEX,
            name=name,
            columns=columns,
            expression=predicate.rstrip("; ") if predicate else None,
            nulls_not_distinct="nulls" in rest and "distinct" in rest and "not" in rest,
            text=f"{method} index",
        )
        return self._entry("index", Name(table.database, table.schema, name), table, constraints=(constraint,))

    def _drop(self) -> Entry:
        """DROP of one thing or several."""
        phrase = self._phrase
        phrase.position += 2 if phrase.word() in {"materialized", "foreign", "event"} else 1
        phrase.take("if", "exists")
        return self._entry_of_many("drop")

    def _select(self) -> Entry:
        """A query that a script makes for what it does: large objects, values of sequences, settings, statistics."""
        phrase = self._phrase
        phrase.take("*", "from")
        name = phrase.parts()
        function = name[-1].lower() if name and name[:-1] in ([], ["pg_catalog"]) else ""
        phrase.take("(")
        if function == "setval":
            text = phrase.token.text.strip("'")
            # The sequence's name is a string here, and inside of it a name with quotes of its own.
            inner = Phrase(text.encode(self._lexis.encoding, "replace"), self._lexis)
            return self._entry("sequence value", inner.name(self._where.database, self._where.schema))
        if function == "lo_unlink":
            return self._entry("drop", phrase.token.text.strip("'"))
        if function == "lo_create":
            return self._entry("large object", phrase.token.text.strip("'"))
        if function.startswith(("lo_", "lowrite")):
            return self._entry("large object data", phrase.token.text.strip("'"))
        if function.startswith("pg_restore_"):
            return self._entry("statistics values", function)
        if function == "set_config":
            return self._entry("setting", phrase.token.text.strip("'"))
        return self._entry("action", self._first_words())

    def _schema_insert(self) -> Entry:
        """SQLite's own scripts put virtual tables and counters into the engine's tables."""
        phrase = self._phrase
        table = self._touched("data")
        strings = [token.text[1:-1].replace("''", "'") for token in phrase.tokens if token.kind == "string"]
        if table and table.name == "sqlite_sequence":
            return self._entry("sequence value", strings[0] if strings else "")
        if table and table.name in {"sqlite_schema", "sqlite_master"} and len(strings) > 2:
            return self._entry("virtual table", Name(None, None, strings[1]))
        return self._entry("data", table=table)

    def _changing(self, kind: str) -> Entry:
        """A statement that changes rows: TRUNCATE, DELETE, UPDATE."""
        phrase = self._phrase
        phrase.position += 1
        _ = phrase.take("from") or phrase.take("table")
        phrase.take("only")
        return self._entry_of_many(kind)

    def _entry_of_many(self, kind: str) -> Entry:
        """The entry of a statement with a list of names: the first is its own, the others stand in `parents`."""
        entry, others = self._entry(kind, self._name()), []
        while self._phrase.take(","):
            others.append(self._name())
        return _with(entry, tuple(others), frozenset())

    def _alter(self) -> Entry:
        """ALTER of anything; what changes a table is looked into, of all else only whose it is and what it gives."""
        phrase = self._phrase
        kind = " ".join(filter(None, (phrase.word(), phrase.word(1))))
        if kind not in _KINDS[2]:
            kind = phrase.word()
        if kind not in {"table", "foreign table", "sequence", "index"}:
            known = kind in _KINDS[1] | _KINDS[2] or kind in {"default privileges", "large object", "default"}
            known = known or kind in {
                "large",
                "text",
                "foreign",
                "algorithm",
                "procedural",
                "definer",
                "event",
                "session",
                "user",
            }
            return self._entry(self._altering() if known else "unknown", self._first_words())
        phrase.position += len(kind.split())
        phrase.take("if", "exists")
        phrase.take("only")
        name = self._name()
        if kind in {"table", "foreign table"}:
            return self._alter_table(name)
        if kind == "sequence" and phrase.take("owned", "by"):
            parts = phrase.parts()
            owner = Name(name.database, parts[-3] if len(parts) > 2 else name.schema, parts[-2]) if parts[1:] else None
            return self._entry("sequence owner", name, owner)
        if kind == "index" and phrase.take("attach", "partition"):
            return self._entry("attach", name)
        return self._entry(self._altering(), name)

    def _altering(self) -> str:
        """What a change of something else than a table is: of its owner, of its rights, or of itself."""
        words = [token.text.lower() for token in self._phrase.tokens if token.kind == "word"]
        if "owner" in words and words[words.index("owner") + 1 :][:1] == ["to"]:
            return "ownership"
        return "grant" if words[1:3] == ["default", "privileges"] else "alteration"

    def _alter_table(self, table: Name) -> Entry:
        """ALTER TABLE: a constraint, a partition, an identity, a default, an owner, or a setting."""
        phrase = self._phrase
        if phrase.take("add", "constraint") or phrase.word(1) in {"primary", "unique", "foreign", "check"}:
            # One step back where CONSTRAINT was taken: reading a constraint begins at its name.
            phrase.position -= phrase.tokens[phrase.position - 1].text == "constraint"
            phrase.take("add")
            begin = phrase.position
            last = len(phrase.tokens) - (phrase.tokens[-1].text == ";")
            strange = strange_item(phrase, begin, last, constraint=True)
            phrase.position = begin
            found = read_constraint(phrase, len(phrase.tokens), table)
            if found is None:
                return self._entry("unknown", self._first_words())
            name = Name(table.database, table.schema, found.name)
            return replace(self._entry("constraint", name, table, constraints=(found,)), strange=strange)
        if phrase.take("attach", "partition"):
            child = self._name()
            return _with(self._entry("attach", child, child), (table,), frozenset())
        if phrase.take("inherit"):
            return _with(self._entry("attach", table, table), (self._name(),), frozenset())
        if phrase.take("drop"):
            return self._entry("drop", table)
        if phrase.take("alter"):
            phrase.take("column")
            column = phrase.identifier()
            if phrase.take("drop", "default"):
                return self._entry("drop", table)
            if phrase.take("add", "generated"):
                return self._entry("identity", self._identity_sequence(table, column), table)
            if phrase.take("set", "default"):
                return self._entry("default", Name(table.database, table.schema, column), table)
        if phrase.take("owner", "to"):
            return self._entry("ownership", table, table)
        return self._entry("table setting", table, table)

    def _identity_sequence(self, table: Name, column: str) -> Name:
        """The sequence behind an identity column."""
        phrase = self._phrase
        while phrase.position < len(phrase.tokens):
            if phrase.take("sequence", "name"):
                return self._name()
            phrase.position += 1
        return Name(table.database, table.schema, f"{table.name}_{column}_seq")


def _plain_kind(kind: str) -> str:
    """One word for what engines write in several: unique indexes, users and groups, constraint triggers."""
    if kind.endswith(" index"):
        return "index"
    return {"user": "role", "group": "role", "constraint trigger": "trigger"}.get(kind, kind)


def _with(entry: Entry, parents: tuple[Name, ...], options: frozenset[str]) -> Entry:
    """The entry with parents and options."""
    return replace(entry, parents=parents, options=options)


def _with_default_collation(columns: tuple[Column, ...], rest: list[str]) -> tuple[Column, ...]:
    """Text columns of MariaDB take the table's collation, or its character set's, when they name none."""
    found = None
    for marker in ("collate", "charset"):
        if marker in rest and found is None:
            following = rest[rest.index(marker) + 1 :]
            found = next((word for word in following if word != "="), None)
    if found is None:
        return columns
    return tuple(replace(column, collation=found) if column.collation is None else column for column in columns)

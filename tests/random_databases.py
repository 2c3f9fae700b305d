"""Databases made up at random, the same for the same seed: names, types, keys, rows, and how they are dumped."""

from __future__ import annotations

import random
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field

Value = str | None
"""A value as SQL says it; None for NULL."""

_NAMES = (
    "boat", "call_out", "Tide Reading", 'crew "A"', "kit; DROP TABLE x; --", "select", "line\nbreak", "tab\tname", "été",
    "-- Name: fake; Type: TABLE; Schema: public; Owner: -", "back\\slash", "quote'd", "per%cent", "a.b", "COPY x FROM stdin;",
    "ŝipo 🚤", "/* comment */", "UPPER", " lead", "trail ", "$$", "INSERT INTO", "\\.", "(paren", "co,mma", "x" * 60,
)  # fmt: skip
_TEXTS = (
    "", " ", "plain", "it's", 'a "b"', "\\", "\\.", "\\N", "tab\there", "line\nbreak", "cr\r\nlf", "été 🌊", "NULL", "-- x",
    "/* y */", "'; DROP TABLE boat; --", "COPY t FROM stdin;\n1\n\\.\n", "1,2", "(x)", "a;b", "%s", "{}", "\x01\x1f", "  pad  ",
    "-- PostgreSQL database dump complete", "-- Dump completed on 2026-01-01  1:00:00", "x" * 3000, "),(", "\\'", "\\\\",
)  # fmt: skip


@dataclass(frozen=True)
class Kind:
    """A column type, and how a value of it is said."""

    words: str
    say: Callable[[random.Random], str]
    keyed: bool = False


@dataclass
class Table:
    """A table: its name, columns, key columns, and rows."""

    name: str
    columns: list[tuple[str, Kind]]
    keys: int
    rows: list[list[Value]] = field(default_factory=list)


def quoted_text(text: str) -> str:
    """A string as every engine takes it once backslashes are seen to."""
    return "'" + text.replace("'", "''") + "'"


def _text(chance: random.Random) -> str:
    return quoted_text(chance.choice(_TEXTS))


def _bytes_of(chance: random.Random) -> bytes:
    return bytes(chance.randrange(256) for _ in range(chance.choice((0, 1, 7, 300))))


def _number(low: int, high: int) -> Callable[[random.Random], str]:
    return lambda chance: str(chance.choice((low, high, 0, chance.randint(low, high))))


def _decimal(chance: random.Random) -> str:
    return chance.choice(("0.000", "-1.500", "99999.125", f"{chance.randint(-9999, 9999)}.{chance.randint(0, 999):03}"))


def _stamp(chance: random.Random) -> str:
    return (
        f"20{chance.randint(10, 26)}-0{chance.randint(1, 9)}-1{chance.randint(0, 9)} "
        f"0{chance.randint(0, 9)}:3{chance.randint(0, 9)}:1{chance.randint(0, 9)}"
    )


POSTGRESQL = (
    Kind("integer", _number(-(2**31), 2**31 - 1), keyed=True), Kind("bigint", _number(-(2**63), 2**63 - 1), keyed=True),
    Kind("smallint", _number(-(2**15), 2**15 - 1)), Kind("numeric(9,3)", _decimal), Kind("numeric", _decimal),
    Kind("double precision", lambda c: quoted_text(c.choice(("NaN", "-Infinity", "-0", "1e-300", "3.25")))),
    Kind("real", lambda c: quoted_text(c.choice(("NaN", "1.5", "-2e10", "0.1")))),
    Kind("text", _text, keyed=True), Kind("character varying(4000)", _text), Kind("character(7)", lambda c: "'ab'"),
    Kind("bytea", lambda c: f"'\\x{_bytes_of(c).hex()}'"), Kind("boolean", lambda c: c.choice(("true", "false"))),
    Kind("date", lambda c: quoted_text(c.choice(("0044-03-15 BC", "infinity", "2026-02-28", "9999-12-31")))),
    Kind("timestamp without time zone", lambda c: quoted_text(_stamp(c) + ".123456")),
    Kind("timestamp(3) with time zone", lambda c: quoted_text(c.choice((_stamp(c) + "+05:30", "-infinity")))),
    Kind("time with time zone", lambda c: "'12:30:00.5-08'"), Kind("interval", lambda c: "'-1 year 2 mons -3 days 04:05:06.7'"),
    Kind("uuid", lambda c: f"'00000000-0000-4000-8000-{c.randrange(16**12):012x}'", keyed=True),
    Kind("jsonb", lambda c: """'{"a": [1, null, "x\\\\ny"], "b": 1.50}'"""), Kind("json", lambda c: """'{"k" :  1}'"""),
    Kind("inet", lambda c: c.choice(("'10.0.0.1/8'", "'::1'"))), Kind("bit varying(9)", lambda c: "B'1011'"),
    Kind("integer[]", lambda c: "'{1,NULL,-3}'"), Kind("text[]", lambda c: r"""'{"a,b",NULL,"q\"uo\"te",""}'"""),
    Kind("tstzrange", lambda c: "'[2026-01-01 00:00+00,2026-02-01 00:00+00)'"), Kind("point", lambda c: "'(1.5,-2)'"),
    Kind("int4range", lambda c: c.choice(("'[1,5)'", "'empty'"))), Kind("tsvector", lambda c: "'a:1 b''c:2'"),
    Kind("money", lambda c: "'-12.34'"), Kind("xml", lambda c: "'<a>b &amp; c</a>'"), Kind("macaddr", lambda c: "'08:00:2b:01:02:03'"),
)  # fmt: skip
MARIADB = (
    Kind("int", _number(-(2**31), 2**31 - 1), keyed=True), Kind("bigint unsigned", _number(0, 2**64 - 1), keyed=True),
    Kind("tinyint(1)", _number(0, 1)), Kind("decimal(9,3)", _decimal), Kind("double", lambda c: c.choice(("-0.0", "1e-300", "3.25"))),
    Kind("text", _text), Kind("varchar(4000) COLLATE utf8mb4_bin", _text), Kind("longtext CHARACTER SET latin1", lambda c: "'été'"),
    Kind("char(7)", lambda c: "'ab'"), Kind("blob", lambda c: f"X'{_bytes_of(c).hex()}'"), Kind("varbinary(400)", lambda c: f"X'{_bytes_of(c).hex()}'"),
    Kind("bit(12)", lambda c: f"b'{c.randrange(4096):012b}'"), Kind("date", lambda c: c.choice(("'1000-01-01'", "'9999-12-31'"))),
    Kind("datetime(6)", lambda c: quoted_text(_stamp(c) + ".123456")), Kind("timestamp NULL", lambda c: quoted_text(_stamp(c))),
    Kind("time(3)", lambda c: "'-838:59:59.000'"), Kind("year", lambda c: "2026"), Kind("enum('a','b''c','d,e')", lambda c: "'b''c'"),
    Kind("set('x','y z')", lambda c: "'x,y z'"), Kind("json", lambda c: """'{"a": 1.50}'"""), Kind("uuid", lambda c: f"'00000000-0000-4000-8000-{c.randrange(16**12):012x}'"),
    Kind("inet6", lambda c: "'::1'"), Kind("point", lambda c: "ST_GeomFromText('POINT(1 -2)')"),
)  # fmt: skip
SQLITE = (
    Kind("INTEGER", _number(-(2**63), 2**63 - 1), keyed=True), Kind("TEXT", _text, keyed=True), Kind("BLOB", lambda c: f"X'{_bytes_of(c).hex()}'"),
    Kind("REAL", lambda c: c.choice(("1.5", "9e999", "1e-300", "3"))), Kind("", lambda c: c.choice(("1", "'1'", "1.0", "X'31'"))),
    Kind("VARCHAR(9) COLLATE NOCASE", _text), Kind("NUMERIC", _decimal), Kind("DATETIME", lambda c: quoted_text(_stamp(c))),
)  # fmt: skip


def made_up(seed: int, kinds: Sequence[Kind], forbidden: Callable[[str], bool] = lambda _: False) -> list[Table]:
    """Some tables; names that the engine forbids are left out."""
    chance = random.Random(seed)
    names = [name for name in _NAMES if not forbidden(name)]
    tables = []
    for name in chance.sample(names, chance.randint(3, 6)):
        keys = chance.choice((0, 1, 1, 2))
        chosen = [chance.choice([kind for kind in kinds if kind.keyed]) for _ in range(keys)]
        chosen += [chance.choice(kinds) for _ in range(chance.randint(1, 6))]
        columns = list(zip(chance.sample(names, len(chosen)), chosen, strict=True))
        table = Table(name, columns, keys)
        seen: set[tuple[Value, ...]] = set()
        for _ in range(chance.choice((0, 1, 40, 300))):
            row = [
                kind.say(chance) if place < keys or chance.random() > 0.1 else None
                for place, (_, kind) in enumerate(columns)
            ]
            if keys and tuple(row[:keys]) in seen:
                continue
            seen.add(tuple(row[:keys]))
            table.rows.append(row)
        tables.append(table)
    return tables


def statements(tables: Sequence[Table], mark: str, backslashes: bool) -> str:
    """What makes the tables and their rows; `mark` quotes names, `backslashes` says that they escape in strings."""

    def named(name: str) -> str:
        return mark + name.replace(mark, mark * 2) + mark

    parts = []
    for table in tables:
        lines = [
            f"{named(name)} {kind.words}{' NOT NULL' if place < table.keys else ''}"
            for place, (name, kind) in enumerate(table.columns)
        ]
        if table.keys:
            lines.append(f"PRIMARY KEY ({', '.join(named(name) for name, _ in table.columns[: table.keys])})")
        parts.append(f"CREATE TABLE {named(table.name)} ({', '.join(lines)});")
        for row in table.rows:
            values = ", ".join("NULL" if value is None else value for value in row)
            text = f"INSERT INTO {named(table.name)} VALUES ({values});"
            parts.append(text.replace("\\", "\\\\") if backslashes else text)
    return "\n".join(parts) + "\n"

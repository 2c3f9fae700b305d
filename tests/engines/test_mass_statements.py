"""Statements that change many rows at once: a list with the columns' own types, and one statement joined with it."""

from __future__ import annotations

import sqlite3

from sospes.engines.registry import dialect_of
from sospes.engines.statements import Guarded, Listed, Work, no_longer
from sospes.model.entries import Column, Engine, Name

ID, WORD, AT = (
    Column(name="id", type="integer", not_null=True), Column(name='odd "w`', type="varchar(20)", collation="utf8mb4_bin"),
    Column(name="doc", type="json"),
)  # fmt: skip
TABLE = Name(None, "s", "t")


def _listed(key: list[Column], rows: list[list[object]]) -> Listed:
    return Listed(number=3, table=TABLE, key=key, new=[WORD], seen=[WORD, AT], rows=rows)  # type: ignore[arg-type]


def test_postgresql_joins_by_plain_equality_where_no_key_is_null() -> None:
    statements = dialect_of(Engine.POSTGRESQL).statements
    made = list(statements.update_listed(_listed([ID], [[1, "a", "b", None], [2, "it's", None, "{}"]])))

    assert [one.rows for one in made] == [None, None, None, 2]
    assert made[0].statement.startswith(
        b'CREATE TEMPORARY TABLE sospes_list_3 ON COMMIT DROP AS SELECT "id" AS key_1, '
    )
    assert made[1].statement == b"INSERT INTO sospes_list_3 VALUES\n(1, 'a', 'b', NULL),\n(2, 'it''s', NULL, '{}')"
    assert made[2].statement == b"ANALYZE sospes_list_3"
    assert made[3].statement == (
        b'UPDATE "s"."t" AS t SET "odd ""w`" = l.new_1 FROM sospes_list_3 AS l WHERE t."id" = l.key_1 AND '
        b't."odd ""w`" IS NOT DISTINCT FROM l.seen_1 AND t."doc"::text IS NOT DISTINCT FROM l.seen_2::text'
    )
    null = list(statements.delete_listed(_listed([ID], [[None, "a", "b", None]])))[-1].statement
    assert b't."id" IS NOT DISTINCT FROM l.key_1' in null and null.startswith(b'DELETE FROM "s"."t" AS t USING')


def test_mariadb_compares_text_by_its_bytes_and_gives_the_list_a_key_where_it_can() -> None:
    statements = dialect_of(Engine.MARIADB).statements
    plain = Name(None, None, "t")
    listed = Listed(number=1, table=plain, key=[ID], new=[WORD], seen=[WORD], rows=[[1, "a", "b"]])
    made = [one.statement for one in statements.update_listed(listed)]

    assert made[0] == b"DROP TEMPORARY TABLE IF EXISTS sospes_list_1"
    assert made[1].startswith(b"CREATE TEMPORARY TABLE sospes_list_1 (PRIMARY KEY (key_1)) AS SELECT `id` AS key_1, ")
    assert made[-1] == (
        b'UPDATE `t` AS t JOIN sospes_list_1 AS l ON t.`id` = l.key_1 AND BINARY t.`odd "w``` <=> BINARY l.seen_1 '
        b'SET t.`odd "w``` = l.new_1'
    )
    by_word = Listed(number=1, table=plain, key=[WORD], new=[], seen=[], rows=[["a"]])
    deleted = [one.statement for one in statements.delete_listed(by_word)]
    assert b"PRIMARY KEY" not in deleted[1] and b'= l.key_1 AND BINARY t.`odd "w```' in deleted[-1]


def test_rows_go_into_a_list_a_thousand_at_a_time() -> None:
    statements = dialect_of(Engine.POSTGRESQL).statements
    made = list(statements.update_listed(_listed([ID], [[number, "a", "b", None] for number in range(2_500)])))
    assert [one.statement[:6] for one in made].count(b"INSERT") == 3 and made[-1].rows == 2_500
    many = statements.insert_many(TABLE, ["id"], [[1], [2]])
    assert many == Guarded(b'INSERT INTO "s"."t" ("id") OVERRIDING SYSTEM VALUE VALUES\n(1),\n(2)', 2)


def test_scripts_count_the_rows_of_each_statement() -> None:
    work = Work(rows=[Guarded(b"SELECT 1", None), Guarded(b"UPDATE a", 7), Guarded(b"UPDATE b")], before=[b"X;"])
    postgresql = b"".join(dialect_of(Engine.POSTGRESQL).statements.script(work))
    mariadb = b"".join(dialect_of(Engine.MARIADB).statements.script(work))

    assert work.touched == 8
    assert b"IF touched <> 7 THEN RAISE EXCEPTION 'some of the rows 1 to 7 are" in postgresql
    assert (
        b"'row 8 is no longer" in postgresql
        and b"8 expected" in postgresql
        and b"#variable_conflict use_column" in postgresql
    )
    assert b"IF ROW_COUNT() <> 7 THEN" in mariadb and b"'8 rows brought back'" in mariadb
    assert mariadb.count(b"ROW_COUNT()") == postgresql.count(b"GET DIAGNOSTICS") == 2
    assert no_longer(5, 1) == b"row 5 is no longer as it was compared"


def test_sqlite_changes_rows_one_by_one_and_keeps_count() -> None:
    statements = dialect_of(Engine.SQLITE).statements
    assert not statements.lists and statements.without_triggers([TABLE]) is None
    script = b"".join(statements.script(Work(rows=[Guarded(b"UPDATE t SET a = 2 WHERE a = 1")]))).decode()
    with sqlite3.connect(":memory:") as database:
        database.executescript("CREATE TABLE t (a); INSERT INTO t VALUES (1)")
        database.executescript(script.replace(".bail on\n", ""))
        assert database.execute("SELECT a FROM t").fetchall() == [(2,)]


def test_triggers_are_switched_off_and_on_by_what_they_were() -> None:
    still = dialect_of(Engine.POSTGRESQL).statements.without_triggers([TABLE])
    assert still is not None
    before, behind = still
    assert b'\'"s"."t"\'::regclass' in before[0] and b"tgenabled = 'O'" in before[0]
    assert b"DISABLE TRIGGER" in before[1] and b"ENABLE TRIGGER" in behind[0] and b"DISABLE" not in behind[0]
    assert dialect_of(Engine.MARIADB).statements.without_triggers([TABLE]) is None

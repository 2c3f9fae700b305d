"""A backup that takes away or changes what it gave is never sound: a restore would not hold the rows that were read."""

from __future__ import annotations

from pathlib import Path

import pytest

from tests.backups import copy_table, mysql, postgresql
from tests.conftest import sospes

BOAT = copy_table("public.boat", [("sign", "integer NOT NULL"), ("name", "text")], [["1", "a"], ["2", "b"]], "sign")
CODES = {"dropped-again", "changed-again", "effect-unknown"}
SHIP = (
    b"DROP TABLE IF EXISTS `ship`;\nCREATE TABLE `ship` (\n  `a` int(11) DEFAULT NULL\n);\n"
    b"INSERT INTO `ship` VALUES (1),(2);\n"
)


def _write(tmp_path: Path, text: bytes) -> Path:
    path = tmp_path / "backup.sql"
    path.write_bytes(text)
    return path


UNDOINGS = [
    pytest.param("DROP TABLE public.boat;\n\n", "dropped-again", id="drop"),
    pytest.param(
        "DROP TABLE IF EXISTS public.other, public.boat CASCADE;\n\n", "dropped-again", id="drop-second-of-two"
    ),
    pytest.param("DROP SCHEMA public CASCADE;\n\n", "dropped-again", id="drop-schema"),
    pytest.param("DROP OWNED BY CURRENT_USER;\n\n", "hostile-statement", id="drop-owned"),
    pytest.param("DROP DATABASE live;\n\n", "dropped-again", id="drop-another-database"),
    pytest.param("TRUNCATE public.boat;\n\n", "changed-again", id="truncate"),
    pytest.param("TRUNCATE TABLE ONLY public.other, public.boat;\n\n", "changed-again", id="truncate-second-of-two"),
    pytest.param("DELETE FROM ONLY public.boat WHERE sign = 1;\n\n", "changed-again", id="delete"),
    pytest.param("UPDATE public.boat SET name = 'x';\n\n", "changed-again", id="update"),
    pytest.param("SET search_path = public;\nUPDATE boat SET name = 'x';\n\n", "changed-again", id="update-by-path"),
    pytest.param("ALTER TABLE public.boat DROP COLUMN name;\n\n", "changed-again", id="drop-column"),
    pytest.param("ALTER TABLE public.boat RENAME TO ship;\n\n", "changed-again", id="rename"),
    pytest.param("INSERT INTO public.boat SELECT * FROM public.boat;\n\n", "changed-again", id="computed-rows"),
    pytest.param("ROLLBACK;\n\n", "changed-again", id="rollback"),
]


@pytest.mark.parametrize("command", ["verify", "rehearse"])
@pytest.mark.parametrize(("statement", "code"), UNDOINGS)
def test_what_undoes_a_backup_is_a_fault(tmp_path: Path, command: str, statement: str, code: str) -> None:
    assert sospes(command, _write(tmp_path, postgresql(BOAT)), "--json").code == 0
    run = sospes(command, _write(tmp_path, postgresql(BOAT + statement.encode())), "--json")
    assert run.code == 1
    assert code in run.codes


@pytest.mark.parametrize(
    "statement",
    [
        pytest.param("SELECT public.wipe();\n\n", id="function"),
        pytest.param("CALL public.wipe();\n\n", id="procedure"),
        pytest.param(
            "CREATE TRIGGER wipe AFTER INSERT ON public.boat EXECUTE FUNCTION public.wipe();\n\n", id="trigger"
        ),
        pytest.param("CREATE RULE wipe AS ON INSERT TO public.boat DO INSTEAD NOTHING;\n\n", id="rule"),
        pytest.param("WITH x AS (DELETE FROM public.boat RETURNING sign) SELECT 1;\n\n", id="delete-in-a-query"),
    ],
)
def test_what_may_undo_a_backup_is_a_doubt(tmp_path: Path, statement: str) -> None:
    rows = BOAT[BOAT.index(b"COPY") : BOAT.index(b"\\.\n") + 3] if statement.startswith("CREATE") else b""
    rows = rows.replace(b"1\ta", b"3\tc").replace(b"2\tb", b"4\td")
    run = sospes("verify", _write(tmp_path, postgresql(BOAT + statement.encode() + rows)), "--json")
    assert run.code == 3
    assert "effect-unknown" in run.codes
    after = sospes("verify", _write(tmp_path, postgresql(BOAT + statement.encode())), "--json")
    assert ("effect-unknown" in after.codes) is not statement.startswith("CREATE")


@pytest.mark.parametrize(
    ("statement", "code", "said"),
    [
        pytest.param("DELETE FROM boat;\n", 1, "changed-again", id="delete"),
        pytest.param("ALTER TABLE boat RENAME TO ship;\n", 1, "changed-again", id="rename"),
        pytest.param("UPDATE sqlite_schema SET sql = 'x';\n", 1, "changed-again", id="the-schema-itself"),
        pytest.param("VACUUM INTO 'elsewhere.db';\n", 1, "hostile-statement", id="another-file"),
        pytest.param(
            "CREATE TRIGGER wipe AFTER INSERT ON boat BEGIN DELETE FROM boat; END;\nINSERT INTO boat VALUES(2);\n",
            3,
            "effect-unknown",
            id="trigger-before-rows",
        ),
    ],
)
@pytest.mark.parametrize("command", ["verify", "rehearse"])
def test_a_script_of_sqlite_is_undone(tmp_path: Path, command: str, statement: str, code: int, said: str) -> None:
    text = (
        "PRAGMA foreign_keys=OFF;\nBEGIN TRANSACTION;\nCREATE TABLE boat (sign integer);\nINSERT INTO boat VALUES(1);\n"
    )
    assert sospes(command, _write(tmp_path, f"{text}COMMIT;\n".encode()), "--json").code == 0
    run = sospes(command, _write(tmp_path, f"{text}{statement}COMMIT;\n".encode()), "--json")
    assert run.code == code
    assert said in run.codes
    assert not (tmp_path / "elsewhere.db").exists()


@pytest.mark.parametrize(
    "text",
    [
        pytest.param(
            postgresql(b"DROP TABLE IF EXISTS public.boat;\nDROP SCHEMA IF EXISTS x;\nCREATE SCHEMA x;\n\n" + BOAT),
            id="cleaned-first",
        ),
        pytest.param(
            postgresql(BOAT + b"ALTER TABLE public.boat DROP CONSTRAINT boat_pkey;\n\n"),
            id="a-key-dropped",
        ),
        pytest.param(
            postgresql(BOAT + b"UPDATE pg_catalog.pg_class SET relname = relname WHERE false;\n\n"),
            id="the-catalog",
        ),
        pytest.param(
            postgresql(
                b'CREATE TABLE public."rename to" (\n    a integer\n);\n\n'
                b'ALTER TABLE public."rename to" ENABLE ROW LEVEL SECURITY;\n\n'
            ),
            id="a-name-that-reads-like-it",
        ),
        pytest.param(mysql(SHIP + SHIP), id="dropped-and-made-anew"),
        pytest.param(
            mysql(
                SHIP + b"DROP TABLE IF EXISTS `v`;\nCREATE TABLE `v` (\n  `a` tinyint NOT NULL\n);\n"
                b"/*!50001 DROP TABLE `v`*/;\n/*!50001 CREATE VIEW `v` AS SELECT `ship`.`a` AS `a` FROM `ship`*/;\n"
            ),
            id="a-view-for-its-stand-in",
        ),
    ],
)
def test_what_programs_write_undoes_nothing(tmp_path: Path, text: bytes) -> None:
    run = sospes("verify", _write(tmp_path, text), "--json")
    assert not CODES & set(run.codes)


def test_two_backups_in_one_file_are_told(tmp_path: Path) -> None:
    assert sospes("verify", _write(tmp_path, mysql(SHIP)), "--json").code == 0
    run = sospes("verify", _write(tmp_path, mysql(SHIP) + mysql(SHIP)), "--json")
    assert run.code == 3
    assert run.codes == ["given-twice"]


def test_a_script_by_hand_may_know_better(tmp_path: Path) -> None:
    text = b"CREATE TABLE boat (sign integer);\nINSERT INTO boat VALUES (1);\nUPDATE boat SET sign = 2;\n"
    run = sospes("verify", _write(tmp_path, text), "--json")
    assert run.code == 3
    assert "changed-again" in run.codes


@pytest.mark.parametrize(
    ("statement", "code", "said"),
    [
        pytest.param("DROP TABLE IF EXISTS `ship`;\n", 1, "dropped-again", id="drop"),
        pytest.param("/*!50001 DELETE FROM `ship` */;\n", 1, "changed-again", id="conditional-delete"),
        pytest.param("ALTER TABLE `ship` RENAME `boat`;\n", 1, "changed-again", id="rename"),
        pytest.param("EXECUTE IMMEDIATE 'DELETE FROM ship';\n", 3, "effect-unknown", id="words-in-a-string"),
        pytest.param("/*!50112 EXECUTE s */;\n", 0, "", id="a-setting-by-the-program"),
    ],
)
def test_a_script_of_mariadb_is_undone(tmp_path: Path, statement: str, code: int, said: str) -> None:
    run = sospes("verify", _write(tmp_path, mysql(SHIP + statement.encode())), "--json")
    assert run.code == code
    assert CODES & set(run.codes) == ({said} if said else set())

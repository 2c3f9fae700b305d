"""Side copies of MariaDB: on a server in use by an account of their own, marked, out of reach of one another."""

from __future__ import annotations

import os
import time
from datetime import UTC, datetime
from pathlib import Path

import pytest

from sospes.sides.mariadb.hosts import SharedHost
from sospes.sides.servers.address import read_address
from sospes.sides.servers.marks import Naming
from tests.backups import mysql
from tests.conftest import assert_sound, left_on, sospes
from tests.servers import MariadbServer

OWN_RIGHTS = r"""
CREATE USER IF NOT EXISTS keeper@localhost; GRANT ALL ON `sospes\_%`.* TO keeper@localhost WITH GRANT OPTION;
GRANT CREATE USER ON *.* TO keeper@localhost; GRANT SELECT ON harbour.* TO keeper@localhost;
"""


@pytest.fixture
def shared_mariadb(mariadb: MariadbServer) -> str:
    """A MariaDB server in use, as a user whose rights end at side copies."""
    mariadb.run_sql("", OWN_RIGHTS)
    return f"mariadb://keeper@localhost/?unix_socket={mariadb.folder}/s"


@pytest.mark.servers
def test_a_mariadb_copy_is_the_source_value_by_value(
    mariadb: MariadbServer, shared_mariadb: str, tmp_path: Path
) -> None:
    night = tmp_path / "night.sql"
    night.write_bytes(mariadb.dump("--routines", "--events", "--triggers", "--hex-blob", "harbour"))
    source = f"mariadb://root@/harbour?unix_socket={mariadb.folder}/s"
    assert_sound(night, source)
    document = sospes("rehearse", "--side", shared_mariadb, "--keep", night, "--json").document
    try:
        copy = document["result"]["side"]["location"].split("/")[-1]
        copied = f"mariadb://root@/{copy}?unix_socket={mariadb.folder}/s"
        assert_sound(night, copied)
        assert_sound(source, copied)
    finally:
        assert sospes("tidy", shared_mariadb, "--drop").code == 0


@pytest.mark.servers
def test_a_mark_of_mariadb_can_not_be_forged(mariadb: MariadbServer, shared_mariadb: str, tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(mysql(b"CREATE TABLE `a` (\n  `x` int(11) DEFAULT NULL\n);\n"))
    mariadb.run_sql("", "CREATE DATABASE sospes_live")
    try:
        assert sospes("rehearse", "--side", shared_mariadb, "--keep", tmp_path / "night.sql").code == 0
        [made] = [item["location"].rsplit("/", 1)[1] for item in left_on(shared_mariadb) if item["signed"]]
        mariadb.run_sql("", f"CREATE TABLE sospes_live.sospes_mark AS SELECT * FROM `{made}`.sospes_mark")

        told = {item["location"].rsplit("/", 1)[1]: item["dropped"] for item in left_on(shared_mariadb, "--drop")}

        assert told == {made: True, "sospes_live": False}
    finally:
        mariadb.run_sql("", "DROP DATABASE sospes_live")


@pytest.mark.servers
@pytest.mark.parametrize("options", [[], ["--databases"]], ids=str)
def test_a_side_copy_on_a_mariadb_server_in_use(
    mariadb: MariadbServer, shared_mariadb: str, tmp_path: Path, options: list[str]
) -> None:
    (tmp_path / "night.sql").write_bytes(mariadb.dump("--routines", "--events", "--triggers", *options, "harbour"))
    before = mariadb.run_sql("", "SHOW DATABASES")

    document = sospes("rehearse", "--side", shared_mariadb, tmp_path / "night.sql", "--json").document

    assert (document["verdict"], document["rung"]) == ("sound", "consistent"), document["findings"]
    assert [item["code"] for item in document["findings"]] == ["events-off", "definers-left-out"]
    assert sum(table["rows"] for table in document["result"]["tables"]) == 314
    assert mariadb.run_sql("", "SHOW DATABASES") == before


@pytest.mark.servers
def test_what_reaches_for_another_database_is_no_fault_of_the_backup(
    mariadb: MariadbServer, shared_mariadb: str, tmp_path: Path
) -> None:
    text = mariadb.dump("--databases", "harbour", "archive") + b"INSERT INTO `harbour`.`seed` VALUES (99, 'out');\n"
    (tmp_path / "night.sql").write_bytes(text)
    seeds = mariadb.run_sql("harbour", "SELECT * FROM seed")

    run = sospes("rehearse", "--side", shared_mariadb, "--keep", tmp_path / "night.sql", "--json")

    assert run.code == 3 and "fault" not in {item["severity"] for item in run.document["findings"]}
    assert mariadb.run_sql("harbour", "SELECT * FROM seed") == seeds, "the live database of that name stays as it was"
    left = sospes("tidy", shared_mariadb, "--drop", "--json").document["result"]["left"]
    assert len(left) == 2 and all(item["dropped"] for item in left)


def _accounts(mariadb: MariadbServer) -> list[str]:
    rows = mariadb.run_sql("mysql", "SELECT CONCAT(User, '@', Host) FROM mysql.user WHERE User LIKE 'sospes%'")
    return [row for row in rows.decode().split("\n") if "@" in row]


@pytest.mark.servers
def test_a_user_with_all_rights_restores_by_an_account_that_has_none(mariadb: MariadbServer, tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(mariadb.dump("harbour"))
    root = mariadb.address()

    told = sospes("rehearse", "--side", root, tmp_path / "night.sql", "--json")
    trusted = sospes("rehearse", "--side", root, "--trust-backup", tmp_path / "night.sql", "--json")

    assert told.document["verdict"] == "sound", told.document["findings"]
    assert trusted.document["verdict"] == "sound", trusted.document["findings"]
    assert _accounts(mariadb) == []


@pytest.mark.servers
def test_who_may_make_no_accounts_is_told_so(mariadb: MariadbServer, tmp_path: Path) -> None:
    (tmp_path / "night.sql").write_bytes(mariadb.dump("harbour"))
    mariadb.run_sql("", r"CREATE USER IF NOT EXISTS meek@localhost; GRANT ALL ON `sospes\_%`.* TO meek@localhost;")
    meek = f"mariadb://meek@localhost/?unix_socket={mariadb.folder}/s"
    try:
        refused = sospes("rehearse", "--side", meek, tmp_path / "night.sql")
        trusted = sospes("rehearse", "--side", meek, "--trust-backup", tmp_path / "night.sql", "--json")
    finally:
        mariadb.run_sql("", "DROP USER meek@localhost")

    assert refused.code == 3
    assert "GRANT CREATE USER" in refused.err and "WITH GRANT OPTION" in refused.err
    assert trusted.document["verdict"] == "sound", trusted.document["findings"]


@pytest.mark.servers
def test_a_kept_copy_has_an_account_that_nobody_logs_in_as_until_it_goes(
    mariadb: MariadbServer, shared_mariadb: str, tmp_path: Path
) -> None:
    text = b"CREATE TABLE `t` (\n  `a` int\n);\nINSERT INTO `t` VALUES (1),(2);\nCREATE VIEW `v` AS SELECT a FROM t;\n"
    (tmp_path / "night.sql").write_bytes(mysql(text))

    document = sospes("rehearse", "--side", shared_mariadb, "--keep", tmp_path / "night.sql", "--json").document
    copy = document["result"]["side"]["location"].rsplit("/", 1)[1].split("?")[0]

    try:
        [account] = _accounts(mariadb)
        user = account.split("@")[0]
        assert b"ACCOUNT LOCK" in mariadb.run_sql("mysql", f"SHOW CREATE USER {user}@localhost")
        assert b"3" in mariadb.run_sql(copy, "SELECT SUM(a) FROM v"), "the view still reads as its definer"
    finally:
        sospes("tidy", shared_mariadb, "--drop")
    assert _accounts(mariadb) == []


@pytest.mark.servers
def test_an_account_whose_databases_are_gone_is_found_and_dropped(
    mariadb: MariadbServer, shared_mariadb: str, tmp_path: Path
) -> None:
    (tmp_path / "night.sql").write_bytes(mariadb.dump("harbour"))
    document = sospes("rehearse", "--side", shared_mariadb, "--keep", tmp_path / "night.sql", "--json").document
    copy = document["result"]["side"]["location"].rsplit("/", 1)[1].split("?")[0]
    mariadb.run_sql("", f"DROP DATABASE {copy}; CREATE USER sospes_{'0' * 24}@localhost")
    root = mariadb.address()
    try:
        told = sospes("tidy", shared_mariadb)
        dropped = left_on(root, "--drop")
    finally:
        mariadb.run_sql("", f"DROP USER sospes_{'0' * 24}@localhost")

    assert "this user may not see accounts" in " ".join(told.out.split()), told.out
    assert [(item["kind"], item["dropped"]) for item in dropped] == [("account", True)], "another's is left alone"
    assert _accounts(mariadb) == []


def _left_by_a_killed_run(address: str, prefix: str) -> str:
    """A database as a restore leaves it that was killed; its name."""
    host = SharedHost(read_address(address, os.environ), Naming(prefix, "night.sql", datetime.now(UTC)))
    name = host.make("tide")
    host.restorer().close()
    host._release()
    return name


@pytest.mark.servers
def test_a_mariadb_copy_without_its_mark_is_known_by_its_account(mariadb: MariadbServer) -> None:
    mariadb.run_sql("", "CREATE DATABASE IF NOT EXISTS sospes_live")
    root = mariadb.address()
    name = _left_by_a_killed_run(root, "sospes_try_")
    [account] = _accounts(mariadb)
    user = account.split("@")[0]
    mariadb.run_sql("", f"DROP TABLE {name}.sospes_mark; GRANT SELECT ON sospes_live.* TO {user}@localhost")
    try:
        told = {item["location"].rsplit("/", 1)[1].split("?")[0]: item["dropped"] for item in left_on(root, "--drop")}
        assert told == {name: True}, "what an account was let into later isn't ours"
        assert b"sospes_live" in mariadb.run_sql("", "SHOW DATABASES") and _accounts(mariadb) == []
    finally:
        mariadb.run_sql("", "DROP DATABASE sospes_live")


@pytest.mark.servers
def test_a_copy_that_is_being_restored_is_in_use(mariadb: MariadbServer, shared_mariadb: str) -> None:
    """Each of its databases, for a user who may not see what others do."""
    host = SharedHost(read_address(shared_mariadb, os.environ), Naming("sospes_", "night.sql", datetime.now(UTC)))
    names = {host.make("tide"), host.make("berth")}
    try:
        used = left_on(shared_mariadb, "--drop")
    finally:
        host.remove()

    assert len(used) == 2 and all(item["in_use"] and not item["dropped"] for item in used)
    assert not {name.encode() for name in names} & set(mariadb.run_sql("", "SHOW DATABASES").split())


@pytest.mark.servers
def test_events_of_a_side_copy_do_not_run(mariadb: MariadbServer, shared_mariadb: str, tmp_path: Path) -> None:
    each = "DO INSERT INTO `t` VALUES (9)"
    text = f"""CREATE TABLE `t` (
  `a` int
);
INSERT INTO `t` VALUES (1),(2);
DELIMITER ;;
/*!50106 CREATE*/ /*!50117 DEFINER=`root`@`localhost`*/ /*!50106 EVENT `one` ON SCHEDULE EVERY 1 SECOND ENABLE {each} */;;
CREATE EVENT `two` ON SCHEDULE AT CURRENT_TIMESTAMP ON COMPLETION PRESERVE COMMENT 'ENABLE; DO' {each};;
CREATE EVENT `do` ON SCHEDULE EVERY (1 + 0) SECOND STARTS (NOW()) {each};;
CREATE EVENT `off` ON SCHEDULE EVERY 1 SECOND DISABLE {each};;
DELIMITER ;
"""
    (tmp_path / "night.sql").write_bytes(mysql(text.encode()))
    mariadb.run_sql("", "SET GLOBAL event_scheduler = ON")
    try:
        document = sospes("rehearse", "--side", shared_mariadb, "--keep", tmp_path / "night.sql", "--json").document
        copy = document["result"]["side"]["location"].rsplit("/", 1)[1].split("?")[0]
        states = mariadb.run_sql("", f"SELECT STATUS FROM information_schema.EVENTS WHERE EVENT_SCHEMA = '{copy}'")
        time.sleep(1.5)
        rows = mariadb.run_sql(copy, "SELECT COUNT(*) FROM t")
    finally:
        mariadb.run_sql("", "SET GLOBAL event_scheduler = OFF")
        sospes("tidy", shared_mariadb, "--drop")

    assert states.split() == [b"DISABLED"] * 4 and rows.split() == [b"2"]
    assert "events-off" in {item["code"] for item in document["findings"]}


_LAID_OUT = b"""CREATE TABLE `t` (
  `directory` int COMMENT 'DATA DIRECTORY=''/x''',
  `data` int
) ENGINE=InnoDB, DATA DIRECTORY='/mnt/fast' COMMENT='INDEX DIRECTORY';
INSERT INTO `t` VALUES (1,2),(2,3);
CREATE TABLE `p` (
  `a` int
) ENGINE=MyISAM DATA DIRECTORY = '/mnt/fast' INDEX DIRECTORY='/mnt/it''s'
/*!50100 PARTITION BY RANGE (`a`)
(PARTITION p0 VALUES LESS THAN (5) DATA DIRECTORY = '/mnt/a' ENGINE = MyISAM,
 PARTITION p1 VALUES LESS THAN (9) ENGINE = MyISAM INDEX DIRECTORY = '/mnt/b') */;
INSERT INTO `p` VALUES (1),(6);
"""


@pytest.mark.servers
@pytest.mark.parametrize("where", ["private", "in use"])
def test_folders_of_tables_are_left_out_and_told(
    mariadb: MariadbServer, shared_mariadb: str, tmp_path: Path, where: str
) -> None:
    """They are of another machine; on a server in use they would be made."""
    (tmp_path / "night.sql").write_bytes(mysql(_LAID_OUT))
    side = shared_mariadb if where == "in use" else "private"

    document = sospes("rehearse", "--side", side, tmp_path / "night.sql", "--json").document

    assert document["verdict"] == "sound", document["findings"]
    told = [item for item in document["findings"] if item["code"] == "folders-left-out"]
    assert len(told) == 1 and told[0]["message"].startswith("5 folders")
    assert {table["name"]: table["rows"] for table in document["result"]["tables"]} == {"t": 2, "p": 2}


@pytest.mark.servers
def test_tables_that_lie_on_other_servers_are_kept_out(
    mariadb: MariadbServer, shared_mariadb: str, tmp_path: Path
) -> None:
    text = b"""CREATE TABLE `far` (
  `a` int
) ENGINE=SPIDER COMMENT='wrapper "mysql", host "live"';
INSERT INTO `far` VALUES (1);
CREATE TABLE `near` (
  `engine` int
) ENGINE=InnoDB;
INSERT INTO `near` VALUES (1);
ALTER TABLE `near` ENGINE = FEDERATED CONNECTION='mysql://root@live/x/y';
"""
    (tmp_path / "night.sql").write_bytes(mysql(text))

    document = sospes("rehearse", "--side", shared_mariadb, tmp_path / "night.sql", "--json").document

    assert {item["severity"] for item in document["findings"]} <= {"doubt", "note"}, document["findings"]
    refused = {item["name"] for item in document["result"]["not_rehearsed"]}
    assert any(name.endswith("far") for name in refused) and any(name.endswith("near") for name in refused)


@pytest.mark.servers
@pytest.mark.parametrize(
    "way",
    [
        "INSERT INTO `sospes_other`.`t` VALUES (9);",
        "INSERT INTO `harbour`.`seed` VALUES (99, 'out');",
        "CREATE TABLE `sospes_other`.`made` (`a` int);",
        "CREATE TRIGGER `g` BEFORE INSERT ON `t` FOR EACH ROW INSERT INTO sospes_other.t VALUES (9);\n"
        "INSERT INTO `t` VALUES (5);",
        "CREATE VIEW `v` AS SELECT * FROM `harbour`.`seed`;",
        "CREATE DEFINER=`root`@`localhost` SQL SECURITY DEFINER VIEW `v` AS SELECT `User` FROM `mysql`.`user`;",
    ],
)
def test_neither_live_nor_other_side_copies_are_in_reach(
    mariadb: MariadbServer, shared_mariadb: str, tmp_path: Path, way: str
) -> None:
    (tmp_path / "night.sql").write_bytes(mysql(b"CREATE TABLE `t` (\n  `a` int\n);\n" + way.encode() + b"\n"))
    mariadb.run_sql("", "CREATE DATABASE sospes_other; CREATE TABLE sospes_other.t (a int)")
    try:
        before = mariadb.run_sql("harbour", "SELECT * FROM seed")
        run = sospes("rehearse", "--side", shared_mariadb, tmp_path / "night.sql", "--json")
        assert run.document["verdict"] != "sound"
        assert mariadb.run_sql("sospes_other", "SELECT COUNT(*) FROM t; SHOW TABLES").split().count(b"made") == 0
        assert b"9" not in mariadb.run_sql("sospes_other", "SELECT * FROM t")
        assert mariadb.run_sql("harbour", "SELECT * FROM seed") == before
    finally:
        mariadb.run_sql("", "DROP DATABASE sospes_other")
    assert _accounts(mariadb) == []


@pytest.mark.servers
def test_mariadb_rows_by_several_workers(mariadb: MariadbServer, tmp_path: Path) -> None:
    values = ",".join(f"({row},{row % 7},'tide {row}')" for row in range(30_000))
    body = f"""CREATE TABLE `tide` (`id` int NOT NULL, `gauge` int, `note` varchar(40), PRIMARY KEY (`id`),
  UNIQUE KEY `n` (`note`), KEY `g` (`gauge`)) ENGINE=InnoDB;
INSERT INTO `tide` VALUES {values};
"""
    (tmp_path / "a.sql").write_bytes(mysql(body.encode()))
    for workers in ("1", "4"):
        run = sospes("rehearse", "--side", "private", "--workers", workers, tmp_path / "a.sql", "--json")
        assert run.document["verdict"] == "sound", run.document["findings"]
        assert [table["rows"] for table in run.document["result"]["tables"]] == [30_000]

    (tmp_path / "b.sql").write_bytes(mysql(body.replace("(29999,4,", "(5,0,").encode()))
    twice = sospes("rehearse", "--side", "private", "--workers", "4", tmp_path / "b.sql", "--json")
    assert "rows-refused" in twice.codes and "Duplicate entry '5'" in twice.document["findings"][0]["message"]

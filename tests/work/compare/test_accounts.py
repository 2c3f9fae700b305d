"""Who may do what: accounts, memberships and rights of a whole server against those of its backup."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

import pytest

from sospes.engines.mariadb.accounts import facts_of
from sospes.model.accounts import AccountBook, AccountKey, AccountKind, unlike_accounts
from tests.conftest import Run, sospes
from tests.servers import MariadbServer, PostgresServer

MADE = """CREATE ROLE crew LOGIN CREATEDB PASSWORD 'secret-word' CONNECTION LIMIT 3; CREATE ROLE office; GRANT office TO crew;
CREATE ROLE "odd ""name"" à" NOINHERIT; GRANT CREATE ON DATABASE harbour TO "odd ""name"" à" WITH GRANT OPTION;
ALTER DEFAULT PRIVILEGES FOR ROLE office IN SCHEMA public GRANT SELECT, UPDATE ON TABLES TO crew;
ALTER DEFAULT PRIVILEGES GRANT EXECUTE ON FUNCTIONS TO office"""
CHANGED = """CREATE ROLE thief SUPERUSER LOGIN; GRANT office TO "odd ""name"" à"; REVOKE office FROM crew; ALTER ROLE crew CREATEROLE;
GRANT CONNECT ON DATABASE harbour TO crew;
ALTER DEFAULT PRIVILEGES FOR ROLE office IN SCHEMA public REVOKE UPDATE ON TABLES FROM crew"""
DROPPED = """DO $$ DECLARE r text; BEGIN
  FOR r IN SELECT quote_ident(rolname) FROM pg_roles WHERE rolname IN ('thief', 'crew', 'office', 'odd "name" à') LOOP
    EXECUTE 'DROP OWNED BY ' || r; EXECUTE 'DROP ROLE ' || r; END LOOP; END $$"""


@pytest.fixture
def cluster(postgres: PostgresServer, tmp_path: Path) -> Iterator[tuple[PostgresServer, Path]]:
    postgres.run_sql("postgres", MADE)
    night = tmp_path / "all.sql"
    night.write_bytes(postgres.dump_cluster())
    yield postgres, night
    postgres.run_sql("postgres", DROPPED)


def _messages(run: Run) -> dict[str, list[str]]:
    found: dict[str, list[str]] = {}
    for one in run.document["findings"]:
        found.setdefault(one["code"], []).append(one["message"])
    return found


@pytest.mark.servers
def test_who_lacks_what_and_who_got_more_is_told(cluster: tuple[PostgresServer, Path]) -> None:
    server, night = cluster
    address = server.address()
    same = sospes("compare", night, address, "--json")
    assert same.code == 0 and same.document["result"]["accounts"] == []
    server.run_sql("postgres", CHANGED)

    run = sospes("compare", night, address, "--json")

    told = _messages(run)
    assert run.code == 3
    assert any("account thief" in message for message in told["account-beyond"])
    assert any("membership of crew in office" in message for message in told["rights-missing"])
    assert any('membership of odd "name" à in office' in message for message in told["rights-beyond"])
    assert any("CREATEROLE" in message and "account crew" in message for message in told["rights-beyond"])
    assert any("CONNECT" in message and "crew to database harbour" in message for message in told["rights-beyond"])
    assert any("UPDATE" in message and "new tables of office" in message for message in told["rights-missing"])
    assert "secret-word" not in run.out and "SCRAM" not in run.out
    assert sospes("compare", night, address, "--rows-only", "--json").code == 0
    server.run_sql("postgres", DROPPED)
    gone = _messages(sospes("compare", night, address, "--json"))["account-missing"]
    assert {message.split("account ")[1] for message in gone} == {"crew", "office", 'odd "name" à'}


@pytest.mark.servers
def test_a_rehearsal_on_a_server_in_use_says_whom_it_does_not_know(cluster: tuple[PostgresServer, Path]) -> None:
    server, night = cluster
    server.run_sql("postgres", DROPPED + "; CREATE ROLE thief")

    told = _messages(sospes("rehearse", night, "--side", server.address("postgres"), "--json"))

    assert "crew" in told["accounts-missing"][0] and "thief" in told["accounts-beyond"][0]


@pytest.mark.servers
def test_accounts_of_mariadb_are_compared(mariadb: MariadbServer, tmp_path: Path) -> None:
    mariadb.run_sql(
        "",
        "CREATE USER crew@localhost IDENTIFIED BY 'secret-word'; GRANT SELECT, UPDATE (id) ON harbour.seed TO crew@localhost",
    )
    mariadb.run_sql(
        "", "CREATE ROLE office; GRANT ALL ON harbour.* TO office; GRANT office TO crew@localhost WITH ADMIN OPTION"
    )
    night = tmp_path / "users.sql"
    night.write_bytes(mariadb.dump("--system=users", "--databases", "harbour"))
    address = mariadb.address()
    try:
        same = sospes("compare", night, address, "--database", "harbour", "--json")
        assert same.document["result"]["accounts"] is None, "one database was asked for"
        before = _messages(sospes("compare", night, address, "--json"))
        mariadb.run_sql(
            "", "CREATE USER thief; REVOKE office FROM crew@localhost; GRANT DELETE ON harbour.seed TO crew@localhost"
        )
        run = sospes("compare", night, address, "--json")
    finally:
        mariadb.run_sql("", "DROP USER crew@localhost; DROP USER IF EXISTS thief; DROP ROLE office")
    told = _messages(run)
    assert not {"account-beyond", "account-missing", "rights-beyond", "rights-missing"} & before.keys()
    assert any("account thief@%" in message for message in told["account-beyond"])
    assert any("membership of crew@localhost in office" in message for message in told["rights-missing"])
    assert any("DELETE" in message and "crew@localhost to harbour.seed" in message for message in told["rights-beyond"])
    assert "secret-word" not in run.out and "PASSWORD" not in run.out


def test_statements_about_accounts_are_taken_in_order() -> None:
    book = AccountBook()
    for statement in (
        "CREATE USER `a b`@`%` IDENTIFIED BY PASSWORD '*00' ACCOUNT LOCK", "GRANT USAGE ON *.* TO `a b`@`%`",
        "GRANT SELECT (`Id`, `x`), INSERT ON `d`.`t` TO `a b`@`%` WITH GRANT OPTION", "/*M!100005 CREATE ROLE 'r' */",
        "GRANT `r` TO `a b`@`%`", "CREATE ROLE gone", "DROP ROLE gone",
        "GRANT ALL ON *.* TO `sospes_0123456789abcdef01234567`@`localhost`",
    ):  # fmt: skip
        for fact in facts_of(statement):
            book.take(fact)
    assert book.found == {
        AccountKey(AccountKind.ACCOUNT, "a b@%"): frozenset({"locked"}),
        AccountKey(AccountKind.RIGHT, "a b@%", "d.t"): frozenset({"SELECT (`Id`, `x`)*", "INSERT*"}),
        AccountKey(AccountKind.ACCOUNT, "r"): frozenset(),
        AccountKey(AccountKind.MEMBER, "a b@%", "r"): frozenset({"member"}),
    }
    [unlike] = unlike_accounts(book.found, {**book.found, AccountKey(AccountKind.ACCOUNT, "z"): frozenset()})
    assert (unlike.key.who, unlike.only) == ("z", "live")

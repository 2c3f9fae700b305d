"""Rows by several connections at once: all of a table or nothing, whatever the order."""

from __future__ import annotations

from pathlib import Path

import pytest

from sospes.sides.servers.workers import Workers
from tests.backups import copy_table, numbers, postgresql
from tests.conftest import sospes
from tests.servers import PostgresServer


def test_jobs_of_a_worker_run_in_order_and_errors_come_out() -> None:
    seen: list[int] = []
    workers = Workers([seen, seen])
    for number in range(50):
        workers.submit(0, lambda log, number=number: log.append(number))  # type: ignore[misc]
    workers.settle()
    assert seen == [*range(50)] and workers.backlog(0) == workers.backlog(1) == 0

    workers.submit(1, lambda log: log.remove(-1))
    with pytest.raises(ValueError, match="not in list"):
        workers.settle()


@pytest.mark.servers
@pytest.mark.parametrize("workers", ["1", "2", "5"])
def test_rows_arrive_whole_whatever_the_number_of_workers(
    postgres: PostgresServer, tmp_path: Path, workers: str
) -> None:
    tables = b"".join(numbers(f"public.t{number}", 60_000 if number < 2 else 40) for number in range(9))
    (tmp_path / "a.sql").write_bytes(postgresql(tables))

    document = sospes("rehearse", "--side", "private", "--workers", workers, tmp_path / "a.sql", "--json").document

    assert document["verdict"] == "sound", document["findings"]
    assert sorted(table["rows"] for table in document["result"]["tables"]) == [40] * 7 + [60_000] * 2


@pytest.mark.servers
def test_a_row_that_is_refused_keeps_out_all_rows_of_its_table(postgres: PostgresServer, tmp_path: Path) -> None:
    rows = [[str(row), "x" * 60] for row in range(80_000)]
    rows[70_000][0] = "99999999999"
    bad = copy_table("public.bad", [("x", "integer NOT NULL"), ("y", "text")], rows, "x")
    (tmp_path / "a.sql").write_bytes(postgresql(bad + numbers("public.good", 10)))

    run = sospes("rehearse", "--side", "private", "--workers", "3", tmp_path / "a.sql", "--json")

    assert run.codes == ["rows-refused"] and "99999999999" in run.document["findings"][0]["message"]
    assert [table["name"] for table in run.document["result"]["tables"]] == ["good"]


@pytest.mark.servers
def test_references_and_transactions_of_the_backup_are_kept_in_order(postgres: PostgresServer, tmp_path: Path) -> None:
    parents = copy_table("public.p", [("x", "integer PRIMARY KEY")], [[str(row)] for row in range(5000)])
    columns = [("x", "integer REFERENCES public.p (x)"), ("y", "text")]
    children = copy_table("public.c", columns, [[str(row % 5000), "a"] for row in range(20_000)])
    for begin, end in ((b"", b""), (b"BEGIN;\n\n", b"COMMIT;\n\n")):
        (tmp_path / "a.sql").write_bytes(postgresql(begin + parents + children + end))
        run = sospes("rehearse", "--side", "private", "--workers", "4", tmp_path / "a.sql", "--json")
        assert run.codes == [] and run.code == 0


@pytest.mark.servers
def test_the_encoding_is_the_backups(postgres: PostgresServer, tmp_path: Path) -> None:
    body = b"CREATE TABLE public.a (x text);\n\n\nCOPY public.a (x) FROM stdin;\nSk\xe5r\n\\.\n\n\n"
    text = postgresql(body).replace(b"client_encoding = 'UTF8'", b"client_encoding = 'LATIN1'")
    check = b"CREATE VIEW public.v AS SELECT 1 / (current_setting('server_encoding') = 'LATIN1')::integer AS is_so;\n\n"
    (tmp_path / "a.sql").write_bytes(text.replace(b"CREATE TABLE", check + b"CREATE TABLE", 1))

    run = sospes("rehearse", "--side", "private", tmp_path / "a.sql", "--json")

    assert run.code == 0 and run.codes == [], "the view divides by zero in any other encoding"

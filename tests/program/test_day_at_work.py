"""A day of a database administrator, from the program alone: what is it, is it whole, does it restore, is it right?

Nightly backups in all forms, one of them damaged; during the day somebody changes, empties and drops things; each is
found, brought back, and compared until it is sound. It is the first thing to run after any change.
"""

from __future__ import annotations

import gzip
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from pathlib import Path

import pytest

from tests.conftest import Run, sospes
from tests.servers import MariadbServer, PostgresServer

pytestmark = pytest.mark.servers


@dataclass(frozen=True)
class Shop:
    """A database in use, its nightly backups, and what goes wrong during the day."""

    address: str
    database: str
    nights: list[Path]
    drift: list[str]
    mistakes: list[str]
    dropped: list[str]
    lost: str
    counted: str
    run: Callable[[str], bytes]


@pytest.fixture(params=["postgresql", "mariadb"])
def shop(request: pytest.FixtureRequest, tmp_path: Path) -> Iterator[Shop]:
    if request.param == "postgresql":
        server: PostgresServer = request.getfixturevalue("postgres")
        server.run_sql("postgres", "CREATE DATABASE day TEMPLATE harbour")
        nights = []
        for name, options in (
            ("night.sql", []),
            ("night.dump", ["-Fc"]),
            ("night.tar", ["-Ft"]),
            ("rows.sql", ["--inserts"]),
        ):
            nights.append(tmp_path / name)
            nights[-1].write_bytes(server.dump("day", *options))
        yield Shop(
            server.address("day"), "day", nights,
            ["INSERT INTO public.seed_lot VALUES (9001, 1, 'new')"],
            [
                "DELETE FROM rescue.call_out WHERE id BETWEEN 20 AND 29",
                "DELETE FROM public.seed_lot WHERE id IN (3, 5)",
                "UPDATE public.seed_lot SET label = 'gone' WHERE id < 200",
            ],
            ["DROP INDEX IF EXISTS rescue.call_out_began"], "public.seed_lot", "SELECT count(*) FROM public.seed_lot",
            lambda sql: server.run_sql("day", sql),
        )  # fmt: skip
        server.run_sql("postgres", "DROP DATABASE day")
        return
    maria: MariadbServer = request.getfixturevalue("mariadb")
    maria.run_sql("", "CREATE DATABASE day CHARACTER SET utf8mb4")
    maria.run_sql("day", maria.dump("--routines", "--events", "--triggers", "harbour"))
    nights = []
    for name, options in (("night.sql", []), ("wide.sql", ["--skip-extended-insert"]), ("hex.sql", ["--hex-blob"])):
        nights.append(tmp_path / name)
        nights[-1].write_bytes(maria.dump("--routines", "--events", "--triggers", *options, "day"))
    yield Shop(
        maria.address("day"), "day", nights,
        ["INSERT INTO seed_lot VALUES (9001, 1, 'new')"],
        ["DELETE FROM seed_lot WHERE id IN (3, 5)", "UPDATE seed_lot SET label = 'gone' WHERE id < 200"],
        ["DROP VIEW busy"], "seed_lot", "SELECT count(*) FROM seed_lot", lambda sql: maria.run_sql("day", sql),
    )  # fmt: skip
    maria.run_sql("", "DROP DATABASE day")


def _said(run: Run) -> list[tuple[str, str]]:
    return [(item["code"], item["message"]) for item in run.document["findings"] if item["severity"] != "note"]


def test_a_day_at_work(shop: Shop, tmp_path: Path) -> None:
    # in the morning: what is it, is it whole, does it restore, are two forms the same?
    for night in shop.nights:
        assert sospes("inspect", "--contents", night, "--json").code == 0
        assert _said(sospes("verify", night, "--json")) == []
        assert _said(sospes("rehearse", "--side", "private", night, "--json")) == []
        assert _said(sospes("compare", shop.nights[0], night, "--json")) == []
        assert _said(sospes("compare", night, shop.address, "--json")) == []
    torn = tmp_path / "torn.sql.gz"
    torn.write_bytes(gzip.compress(shop.nights[0].read_bytes())[:-2000])
    assert sospes("verify", torn, "--json").code == 1

    # during the day: drift, and mistakes in several tables
    for statement in (*shop.drift, *shop.mistakes, *shop.dropped):
        shop.run(statement)
    night = shop.nights[0]
    found = sospes("compare", night, shop.address, "--json")
    assert found.code != 0
    changed = {
        table["name"]: table for table in found.document["result"]["tables"] if table["only_left"] or table["changed"]
    }
    assert changed["seed_lot"]["only_left"] == 2 and changed["seed_lot"]["changed"] > 40

    # it is put back, and compared until it is as it was
    fix, undo = tmp_path / "fix.sql", tmp_path / "undo.sql"
    mended = sospes(
        "mend", night, shop.address, "--objects", "--out", fix, "--undo", undo, "--apply", shop.database, "--json"
    )
    assert mended.code == 0, mended.out
    after = sospes("compare", night, shop.address, "--json")
    assert all(table["only_left"] == table["changed"] == 0 for table in after.document["result"]["tables"])
    assert not [item for item in after.document["result"]["objects"] if item["state"] == "only-left"]

    # one table is lost; it is taken out of the backup and loaded, counted before and after
    shop.run(
        "DELETE FROM seed_lot WHERE id = 9001"
        if "mariadb" in shop.address
        else "DELETE FROM public.seed_lot WHERE id = 9001"
    )
    before = shop.run(shop.counted)
    shop.run(f"DROP TABLE {shop.lost} CASCADE")
    gone = sospes("compare", night, shop.address, "--json")
    assert "table-missing" in gone.codes
    taken = tmp_path / "table.sql"
    assert sospes("extract", night, shop.lost, "--out", taken, "--json").code == 0
    shop.run(taken.read_text())
    assert shop.run(shop.counted) == before
    assert _said(sospes("compare", night, shop.address, "--table", shop.lost, "--rows-only", "--json")) == []

"""Single flipped bits against the real server: what it refuses, and `verify` calls sound nevertheless, is a miss.

`python -m benchmarks.refused --times 300` prints one line of JSON for each form of a script; it needs the servers.
"""

from __future__ import annotations

import argparse
import json
import platform
import random
import sqlite3
import tempfile
from collections.abc import Callable, Iterator
from contextlib import closing, contextmanager, suppress
from pathlib import Path

from tests.conftest import DUMPS, INPUTS
from tests.servers import MariadbServer, PostgresServer

from sospes.formats.opening import Opening
from sospes.model.errors import SospesError
from sospes.model.verdict import Verdict
from sospes.work.look.verify import Looking, verify

Loads = Callable[[bytes], str]
"""Loads a script into a new database; what the server says if it refuses, or if other rows came, else empty."""


@contextmanager
def _postgresql() -> Iterator[tuple[dict[str, bytes], Loads]]:
    with PostgresServer() as server:
        server.run_sql("postgres", "CREATE DATABASE harbour")
        server.run_sql("harbour", (INPUTS / "nasty_postgresql.sql").read_text())
        counts = _counts_of(server, "harbour")

        def load(script: bytes) -> str:
            server.run_sql("postgres", "DROP DATABASE IF EXISTS trial WITH (FORCE)")
            server.run_sql("postgres", "CREATE DATABASE trial TEMPLATE template0")
            try:
                server.run_sql("trial", script)
                return "" if _counts_of(server, "trial") == counts else "other rows"
            except RuntimeError as error:
                return str(error)

        scripts = {
            "postgresql, COPY": server.dump("harbour"),
            "postgresql, INSERT": server.dump("harbour", "--inserts"),
        }
        yield scripts, load


def _counts_of(server: PostgresServer, database: str) -> bytes:
    return server.query(
        database,
        "SELECT nspname, relname, "
        "query_to_xml(format('SELECT count(*) FROM %I.%I', nspname, relname), true, false, '') "
        "FROM pg_class c JOIN pg_namespace n ON n.oid = relnamespace WHERE relkind = 'r' "
        "AND nspname NOT LIKE 'pg\\_%' AND nspname <> 'information_schema' ORDER BY 1, 2",
    )


@contextmanager
def _mariadb() -> Iterator[tuple[dict[str, bytes], Loads]]:
    with MariadbServer() as server:
        server.run_sql("", (INPUTS / "nasty_mariadb.sql").read_text())

        def load(script: bytes) -> str:
            server.run_sql("", "DROP DATABASE IF EXISTS trial; CREATE DATABASE trial")
            try:
                server.run_sql("trial", script)
            except RuntimeError as error:
                return str(error)
            return ""

        yield {"mariadb": server.dump("--routines", "--events", "--triggers", "harbour")}, load


@contextmanager
def _sqlite() -> Iterator[tuple[dict[str, bytes], Loads]]:
    text = (DUMPS / "sqlite-3.sql").read_bytes()

    def load(script: bytes) -> str:
        with closing(sqlite3.connect(":memory:")) as connection:
            connection.execute("PRAGMA writable_schema=ON")
            try:
                connection.executescript(script.decode("utf-8", "replace"))
            except (sqlite3.Error, sqlite3.Warning) as error:
                return str(error)
        return ""

    yield {"sqlite": text}, load


def main() -> None:
    """One line for each form: how many flips, how many the server refuses, how many of those are called sound."""
    parser = argparse.ArgumentParser(description=main.__doc__)
    parser.add_argument("--times", type=int, default=300)
    parser.add_argument("--misses", type=int, default=0, help="how many misses to show")
    args = parser.parse_args()
    for form in (_postgresql, _mariadb, _sqlite):
        with form() as (scripts, load), tempfile.TemporaryDirectory() as folder:
            for name, script in scripts.items():
                print(json.dumps({"machine": platform.machine(), **_scored(name, script, load, Path(folder), args)}))


def _scored(name: str, script: bytes, load: Loads, folder: Path, args: argparse.Namespace) -> dict[str, object]:
    chance = random.Random(args.times)
    path = folder / "flipped.sql"
    assert load(script) == "", f"the sound script of {name} does not load"
    sound, misses = 0, []
    for _ in range(args.times):
        at, bit = chance.randrange(len(script)), chance.randrange(8)
        data = bytearray(script)
        data[at] ^= 1 << bit
        path.write_bytes(data)
        with suppress(SospesError):
            if verify([path], Looking(opening=Opening())).verdict is not Verdict.SOUND:
                continue
            sound += 1
            said = load(bytes(data))
            if said:
                misses.append(
                    (script[max(0, at - 30) : at], bytes(data[at : at + 1]), script[at + 1 : at + 20], said[-90:])
                )
    for miss in misses[: args.misses]:
        print("  missed:", *miss)
    return {
        "form": name, "bytes": len(script), "flips": args.times, "called_sound": sound, "missed": len(misses),
        "missed_share": round(len(misses) / args.times, 4),
    }  # fmt: skip


if __name__ == "__main__":
    main()

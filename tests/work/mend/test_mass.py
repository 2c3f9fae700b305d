"""Mass damage is set back by few statements, guarded as single rows are; one cause alone; tables that are gone."""

from __future__ import annotations

import shlex
import subprocess
import sys
import time
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from pathlib import Path

import pytest

from tests.conftest import Run, sospes
from tests.servers import MariadbServer, PostgresServer

pytestmark = pytest.mark.servers

ROWS = 1500
TABLES = {
    "postgresql": f"""
CREATE TABLE log (id int PRIMARY KEY, name text, cost numeric(12,2), at timestamptz, doc json, kind point);
INSERT INTO log SELECT g, CASE WHEN g % 7 = 0 THEN NULL ELSE E'it''s \\\\ ' || g || E'\\n;' END,
  CASE WHEN g % 5 = 0 THEN NULL ELSE g * 1.1 END, '2026-01-01'::timestamptz + g * interval '1 min',
  '{{"a": [1,  2]}}', point(g, 0.1) FROM generate_series(1, {ROWS}) g;
CREATE TABLE sign (word text, no int, said text, PRIMARY KEY (word, no));
INSERT INTO sign SELECT 'Wörd ' || g % 10, g, 'x' || g FROM generate_series(1, {ROWS}) g;
""",
    "mariadb": f"""
CREATE TABLE log (id int PRIMARY KEY, name varchar(60), cost decimal(12,2), at timestamp NULL, doc longtext, kind double,
  moved timestamp NOT NULL DEFAULT '2026-01-01' ON UPDATE CURRENT_TIMESTAMP, bits bit(9), raw varbinary(20));
INSERT INTO log SELECT seq, IF(seq % 7 = 0, NULL, concat('it''s \\\\ ', seq, '\\n;')), IF(seq % 5 = 0, NULL, seq * 1.1),
  '2026-01-01' + interval seq minute, '{{"a": [1,  2]}}', seq / 3, '2026-02-03', seq % 500, unhex(hex(seq))
  FROM seq_1_to_{ROWS};
CREATE TABLE sign (word varchar(40) COLLATE utf8mb4_general_ci, no int, said text, PRIMARY KEY (word, no));
INSERT INTO sign SELECT concat('Wörd ', seq % 10), seq, concat('x', seq) FROM seq_1_to_{ROWS};
""",
}
MISTAKES = [
    "UPDATE log SET name = 'gone', cost = cost + 1 WHERE id > 20",
    "UPDATE sign SET said = NULL",
    f"DELETE FROM log WHERE id > {ROWS - 400}",
]


@dataclass(frozen=True)
class Live:
    """A database in use called `mass`, its backup of the night, and how to feed it."""

    address: str
    night: Path
    run: Callable[[str | bytes], bytes]

    def mend(self, out: Path, *words: str | Path) -> Run:
        return sospes("mend", self.night, self.address, "--out", out, *words, "--json")

    def differing(self) -> list[tuple[str, int, int]]:
        tables = sospes("compare", self.night, self.address, "--rows-only", "--json").document["result"]["tables"]
        return [
            (table["name"], table["only_left"] + table["only_right"], table["changed"])
            for table in tables
            if table["only_left"] + table["only_right"] + table["changed"]
        ]


@pytest.fixture(params=["postgresql", "mariadb"])
def live(request: pytest.FixtureRequest, tmp_path: Path) -> Iterator[Live]:
    night = tmp_path / "night.sql"
    if request.param == "postgresql":
        server: PostgresServer = request.getfixturevalue("postgres")
        server.run_sql("postgres", "DROP DATABASE IF EXISTS mass")
        server.run_sql("postgres", "CREATE DATABASE mass")
        server.run_sql("mass", TABLES["postgresql"])
        night.write_bytes(server.dump("mass"))
        yield Live(server.address("mass"), night, lambda sql: server.run_sql("mass", sql))
        server.run_sql("postgres", "DROP DATABASE mass")
        return
    maria: MariadbServer = request.getfixturevalue("mariadb")
    maria.run_sql("", "DROP DATABASE IF EXISTS mass; CREATE DATABASE mass CHARACTER SET utf8mb4")
    maria.run_sql("mass", TABLES["mariadb"])
    night.write_bytes(maria.dump("--routines", "--events", "mass"))
    address = maria.address("mass")
    yield Live(address, night, lambda sql: maria.run_sql("mass", sql))
    maria.run_sql("", "DROP DATABASE mass")


def test_mass_damage_is_set_back_by_few_statements_and_taken_back_again(live: Live, tmp_path: Path) -> None:
    for mistake in MISTAKES:
        live.run(mistake)
    damaged = live.differing()
    fix, undo = tmp_path / "fix.sql", tmp_path / "undo.sql"

    run = live.mend(fix, "--undo", undo)

    tables = {table["name"]: table for table in run.document["result"]["tables"]}
    assert (tables["log"]["inserts"], tables["log"]["updates"]) == (400, ROWS - 420)
    assert tables["sign"]["updates"] == ROWS
    assert fix.read_bytes().count(b"UPDATE ") <= 4, "one statement for each way in which rows changed"
    live.run(fix.read_bytes())
    assert live.differing() == []
    live.run(undo.read_bytes())
    assert live.differing() == damaged
    applied = live.mend(tmp_path / "again.sql", "--apply", "--confirm", "mass")
    assert applied.code == 0 and live.differing() == []
    notes = {found["code"]: found["message"] for found in applied.document["findings"]}
    assert "nothing differs any more" in notes["compared-again"]


def test_mass_statements_change_nothing_once_one_of_their_rows_is_another(live: Live, tmp_path: Path) -> None:
    live.run(MISTAKES[1])
    fix = tmp_path / "fix.sql"
    live.mend(fix)
    live.run("UPDATE sign SET said = 'since' WHERE no = 77")
    before = live.differing()

    with pytest.raises(RuntimeError, match="no longer as they were compared"):
        live.run(fix.read_bytes())

    assert live.differing() == before


def test_the_confirmation_is_the_databases_very_name(live: Live, tmp_path: Path) -> None:
    live.run(MISTAKES[1])
    out = tmp_path / "fix.sql"
    for words, said in (
        (["--apply"], "has to be confirmed"), (["--apply", "--confirm", "mess"], "the very name"),
        (["--apply", "mass", "--confirm", "mess"], "give the name once"), (["--confirm", "mass"], "goes with --apply"),
    ):  # fmt: skip
        run = sospes("mend", live.night, live.address, "--out", out, *words)
        assert run.code == 2 and said in run.err
    assert live.differing() == [("sign", 0, ROWS)]


def test_one_cause_alone_is_set_back(live: Live, tmp_path: Path) -> None:
    live.run("UPDATE log SET cost = 0")
    live.run("DELETE FROM log WHERE id BETWEEN 100 AND 150")
    live.run("UPDATE sign SET said = NULL WHERE no < 50")
    text = sospes("compare", live.night, live.address, "--rows-only").out
    tables = sospes("compare", live.night, live.address, "--rows-only", "--json").document["result"]["tables"]
    kinds = [cause["kind"] for table in tables for cause in table["explanations"]]
    number = kinds.index("key-range-missing") + 1
    assert f"cause {number}: a contiguous range" in text

    wrong = sospes("mend", live.night, live.address, "--out", tmp_path / "0.sql", "--only-cause", "9")
    missing = live.mend(tmp_path / "1.sql", "--only-cause", str(number)).document["result"]["tables"]
    applied = live.mend(
        tmp_path / "2.sql", "--only-cause", "column-set-everywhere", "--apply", "--confirm", "mass"
    ).document

    assert wrong.code == 2 and "column-set-everywhere of" in wrong.err
    assert [(table["name"], table["inserts"], table["updates"]) for table in missing] == [("log", 51, 0)]
    assert [(table["name"], table["inserts"]) for table in applied["result"]["tables"]] == [("log", 0)]
    assert "by other causes" in next(one["message"] for one in applied["findings"] if one["code"] == "compared-again")
    assert live.differing() == [("log", 51, 0), ("sign", 0, 49)]


def test_a_table_that_is_gone_is_named_with_its_way_back_and_is_part_of_the_script(live: Live, tmp_path: Path) -> None:
    live.run("CREATE INDEX said_no ON sign (no)")
    live.run("DROP TABLE sign")
    live.run("UPDATE log SET cost = 0 WHERE id < 9")

    told = live.mend(tmp_path / "rows.sql").document["findings"]
    whole = live.mend(tmp_path / "all.sql", "--objects", "--undo", tmp_path / "undo.sql")

    advice = next(one["advice"] for one in told if one["code"] == "table-gone")
    assert f"--into {shlex.quote(live.address)} --confirm mass" in advice and "--objects" in advice
    assert ("sign", ROWS) in [(one["name"], one["inserts"]) for one in whole.document["result"]["tables"]]
    live.run((tmp_path / "all.sql").read_bytes())
    assert live.differing() == []
    live.run("DROP TABLE sign")
    assert live.mend(tmp_path / "applied.sql", "--objects", "--apply", "--confirm", "mass").code == 0
    assert live.differing() == []


def test_triggers_can_be_kept_from_changing_rows_again(postgres: PostgresServer, tmp_path: Path) -> None:
    address = postgres.address("mass")
    postgres.run_sql("postgres", "DROP DATABASE IF EXISTS mass")
    postgres.run_sql("postgres", "CREATE DATABASE mass")
    postgres.run_sql(
        "mass",
        "CREATE TABLE log (id int PRIMARY KEY, name text, touched text); INSERT INTO log SELECT g, g, 'no' FROM generate_series(1, 300) g;"
        "CREATE FUNCTION touch() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN NEW.touched := 'yes'; RETURN NEW; END $$;"
        "CREATE TRIGGER b_touch BEFORE UPDATE ON log FOR EACH ROW EXECUTE FUNCTION touch();"
        "CREATE TRIGGER off BEFORE UPDATE ON log FOR EACH ROW EXECUTE FUNCTION touch(); ALTER TABLE log DISABLE TRIGGER off",
    )
    night = tmp_path / "night.sql"
    night.write_bytes(postgres.dump("mass"))
    postgres.run_sql("mass", "UPDATE log SET name = 'gone'")
    words = ("mend", night, address, "--apply", "--confirm", "mass", "--json", "--out")

    again = sospes(*words, tmp_path / "1.sql")
    still = sospes(*words, tmp_path / "2.sql", "--without-triggers", "--undo", tmp_path / "undo.sql")

    assert again.code == 1 and "rows-still-differ" in again.codes
    assert still.code == 0 and "triggers-kept-still" in still.out
    assert sospes("compare", night, address, "--json").codes == [], "triggers are as they were, too"
    states = postgres.query(
        "mass", "SELECT tgname, tgenabled FROM pg_trigger WHERE NOT tgisinternal ORDER BY 1"
    ).split()
    assert states == [b"b_touch|O", b"off|D"]
    postgres.run_sql("mass", (tmp_path / "undo.sql").read_bytes())
    postgres.run_sql("postgres", "DROP DATABASE mass")


def test_engines_that_cannot_keep_triggers_still_say_so(mariadb: MariadbServer, tmp_path: Path) -> None:
    night = tmp_path / "night.sql"
    night.write_bytes(mariadb.dump("harbour"))
    address = mariadb.address("harbour")
    run = sospes("mend", night, address, "--out", tmp_path / "fix.sql", "--without-triggers")
    assert run.code == 2 and "no way to keep triggers" in run.err and not (tmp_path / "fix.sql").exists()


MOMENTS = 20


def test_a_mend_that_is_killed_has_brought_back_all_or_nothing(live: Live, tmp_path: Path) -> None:
    program = "import sys; from sospes.cli.main import main; sys.exit(main(sys.argv[1:]))"
    for mistake in MISTAKES:
        live.run(mistake)
    damaged, states = live.differing(), set()
    for moment in range(MOMENTS):
        words = [
            "mend",
            str(live.night),
            live.address,
            "--apply",
            "--confirm",
            "mass",
            "--out",
            str(tmp_path / f"{moment}.sql"),
        ]
        process = subprocess.Popen([sys.executable, "-c", program, *words], stdout=subprocess.DEVNULL)
        time.sleep(0.3 + 1.2 * moment / MOMENTS)
        process.kill()
        process.wait()
        time.sleep(0.3)  # the server sees that its client is gone
        found = live.differing()
        assert found in ([], damaged)
        states.add(bool(found))
        if not found:
            for mistake in MISTAKES:
                live.run(mistake)
            assert live.differing() == damaged
    assert True in states
    assert live.mend(tmp_path / "last.sql", "--apply", "--confirm", "mass").code == 0
    assert live.differing() == []

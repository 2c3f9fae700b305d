"""Which of a backup's definitions bring tables back, given what live has: decided without any server."""

from __future__ import annotations

from io import BytesIO
from pathlib import Path

import pytest

from sospes.engines.registry import dialect_of
from sospes.engines.way_back import Step
from sospes.formats.opening import Opening, open_backup
from sospes.model.entries import Engine, Name
from sospes.model.errors import CannotCheck, UsageError
from sospes.model.findings import Finding
from sospes.model.kinds import Kind
from sospes.model.objects import DatabaseObject, ObjectKey
from sospes.work.putback.choosing import Choice, Wanting, settled
from sospes.work.putback.collecting import Collector
from sospes.work.putback.steps import steps_of
from sospes.work.selection import Selection
from tests.backups import mysql, postgresql

NIGHT = b"""CREATE SCHEMA rescue;
CREATE TYPE rescue.kind AS ENUM ('a', 'b');
CREATE FUNCTION rescue.touch() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RETURN NEW; END $$;
SET default_tablespace = '';
CREATE TABLE rescue.station (
    id integer NOT NULL,
    name text
);
CREATE TABLE rescue.boat (
    id integer NOT NULL,
    kind rescue.kind,
    station integer
);
ALTER TABLE rescue.boat OWNER TO pilot;
CREATE SEQUENCE rescue.boat_id_seq START WITH 1;
ALTER SEQUENCE rescue.boat_id_seq OWNED BY rescue.boat.id;
CREATE VIEW rescue.fleet AS
 SELECT boat.id FROM rescue.boat;
CREATE VIEW rescue.fleet_of_two AS
 SELECT fleet.id FROM rescue.fleet;
CREATE TABLE rescue.crew (
    id integer,
    boat integer
);
ALTER TABLE ONLY rescue.boat ALTER COLUMN id SET DEFAULT nextval('rescue.boat_id_seq'::regclass);
COPY rescue.boat (id, kind, station) FROM stdin;
1\ta\t1
2\tb\t\\N
\\.

COPY rescue.crew (id, boat) FROM stdin;
1\t1
\\.

COPY rescue.station (id, name) FROM stdin;
1\tSkarholm
\\.

SELECT pg_catalog.setval('rescue.boat_id_seq', 2, true);
ALTER TABLE ONLY rescue.boat
    ADD CONSTRAINT boat_pkey PRIMARY KEY (id);
ALTER TABLE ONLY rescue.station
    ADD CONSTRAINT station_pkey PRIMARY KEY (id);
CREATE INDEX boat_kind ON rescue.boat USING btree (kind);
CREATE TRIGGER touched BEFORE UPDATE ON rescue.boat FOR EACH ROW EXECUTE FUNCTION rescue.touch();
ALTER TABLE ONLY rescue.boat
    ADD CONSTRAINT boat_station FOREIGN KEY (station) REFERENCES rescue.station(id);
ALTER TABLE ONLY rescue.crew
    ADD CONSTRAINT crew_boat FOREIGN KEY (boat) REFERENCES rescue.boat(id);
COMMENT ON TABLE rescue.boat IS 'a boat';
COMMENT ON INDEX rescue.boat_kind IS 'by kind';
COMMENT ON TABLE rescue.crew IS 'people';
GRANT SELECT ON TABLE rescue.boat TO pilot;
GRANT SELECT ON TABLE rescue.boat TO stranger;
GRANT SELECT ON TABLE rescue.crew TO pilot;
"""
LIVE = [
    ("schema", "", "rescue", ""), ("type", "rescue", "kind", ""), ("function", "rescue", "touch", ""),
    ("table", "rescue", "station", ""), ("table", "rescue", "crew", ""), ("role", "", "pilot", ""),
    ("role", "", "postgres", ""), ("constraint", "rescue", "station_pkey", "station"),
]  # fmt: skip


def _collected(path: Path, *tables: str) -> Collector:
    """A backup read for some tables."""
    selection = Selection(tables)
    collected = Collector(selection, BytesIO())
    opened = open_backup([path], Opening(wants=collected.wants))
    for event in opened.events():
        if not isinstance(event, Finding):
            collected.take(event, opened.engine)
    return collected


def _choice(
    path: Path,
    *tables: str,
    lacking: tuple[str, ...] = (),
    beside: list[tuple[str, str, str, str]] | None = None,
    how: Wanting | None = None,
) -> Choice:
    live = {ObjectKey(*key): DatabaseObject() for key in [*LIVE, *(beside or [])] if key[2] not in lacking}
    collected = _collected(path, *tables)
    choice = Choice(collected, dialect_of(collected.engine), live, how or Wanting())
    choice.settle()
    return choice


def _labels(choice: Choice, called: dict[Name, str] | None = None) -> list[str]:
    return [step.label for step in _steps(choice, called) if step.kind != Kind.SETTING]


def _steps(choice: Choice, called: dict[Name, str] | None = None) -> list[Step]:
    return steps_of(choice, called or {})


@pytest.fixture
def night(tmp_path: Path) -> Path:
    path = tmp_path / "night.sql"
    path.write_bytes(postgresql(NIGHT))
    return path


def test_a_table_comes_back_in_the_order_in_which_each_finds_what_it_needs(night: Path) -> None:
    choice = _choice(night, "boat")

    labels = _labels(choice)

    assert labels == [
        "table rescue.boat", "sequence rescue.boat_id_seq", "sequence owner rescue.boat_id_seq", "default rescue.id",
        "2 rows of rescue.boat", "sequence value rescue.boat_id_seq", "constraint rescue.boat_pkey",
        "index rescue.boat_kind", "trigger touched", "constraint rescue.boat_station", "reference crew_boat of rescue.crew",
        "rights that this server gives by default", "ownership rescue.boat", *labels[13:],
    ]  # fmt: skip
    words = [step.statement for step in _steps(choice) if step.kind in {Kind.COMMENT, Kind.GRANT, Kind.OWNERSHIP}][1:]
    assert sorted(words) == [
        b"ALTER TABLE rescue . boat OWNER TO pilot", b"COMMENT ON INDEX rescue . boat_kind IS 'by kind'",
        b"COMMENT ON TABLE rescue . boat IS 'a boat'", b"GRANT SELECT ON TABLE rescue . boat TO pilot",
    ]  # fmt: skip
    told = {finding.code: finding.message for finding in choice.findings}
    assert "stranger" in told["roles-missing"] and "rescue.crew refers to these" in told["joins-live"]
    assert "view rescue.fleet, view rescue.fleet_of_two" in told["dependants-missing"]


def test_rows_lie_in_their_file_as_the_server_takes_them(night: Path) -> None:
    choice = _choice(night, "boat")
    [rows] = [step for step in _steps(choice) if step.rows is not None]
    assert rows.statement == b'COPY "rescue"."boat" ("id", "kind", "station") FROM STDIN'
    assert b"".join(map(choice.collected.read, rows.rows or ())) == b"1\ta\t1\n2\tb\t\\N\n"


def test_dependants_come_back_with_what_they_need_when_asked_for(night: Path) -> None:
    labels = _labels(_choice(night, "boat", how=Wanting(with_dependants=True)))
    assert labels.index("view rescue.fleet") < labels.index("view rescue.fleet_of_two")
    there = _labels(_choice(night, "boat", how=Wanting(with_dependants=True), beside=[("view", "rescue", "fleet", "")]))
    assert "view rescue.fleet" not in there


def test_what_a_table_is_made_of_comes_back_where_live_lacks_it(night: Path) -> None:
    labels = _labels(_choice(night, "boat", lacking=("rescue", "kind", "touch")))
    assert labels[:4] == ["schema rescue", "type rescue.kind", "function rescue.touch", "table rescue.boat"]
    assert "function rescue.touch" not in _labels(_choice(night, "boat"))


def test_a_key_to_a_table_that_is_gone_too_is_left_out_and_told(night: Path) -> None:
    choice = _choice(night, "boat", lacking=("station",))
    assert "constraint rescue.boat_station" not in _labels(choice)
    assert [finding.code for finding in choice.findings if finding.code == "reference-left-out"]
    both = _choice(night, "boat", "station", lacking=("station",))
    assert "constraint rescue.boat_station" in _labels(both) and "1 rows of rescue.station" in _labels(both)


def test_a_sequence_that_is_still_there_is_taken_up(night: Path) -> None:
    choice = _choice(night, "boat", beside=[("sequence", "rescue", "boat_id_seq", "")])
    labels = _labels(choice)
    assert "sequence rescue.boat_id_seq" not in labels and "sequence value rescue.boat_id_seq, taken up" in labels
    [value] = [step for step in _steps(choice) if "taken up" in step.label]
    assert b"GREATEST(2, s.last_value)" in value.statement


def test_a_table_or_a_view_of_the_name_is_never_written_to(night: Path) -> None:
    for kind in ("table", "view"):
        with pytest.raises(UsageError, match="is there already"):
            _choice(night, "boat", beside=[(kind, "rescue", "boat", "")])
    with pytest.raises(UsageError, match="is there already"):
        _choice(night, "boat", how=Wanting(new_name="crew"))


def test_beside_it_come_rows_keys_and_indexes_alone(night: Path) -> None:
    choice = _choice(night, "boat", beside=[("table", "rescue", "boat", "")], how=Wanting(new_name="boat of the night"))
    table = choice.tables[0]
    steps = _steps(choice, {table: "boat of the night"})
    assert [step.kind for step in steps if step.kind != Kind.SETTING] == ["table", "data", "constraint", "index"]
    assert all(b'"boat of the night"' in step.statement for step in steps if step.kind != Kind.SETTING)
    assert "trigger touched" in choice.findings[0].message


def test_code_that_runs_while_rows_go_in_is_held_back_unless_it_is_trusted(tmp_path: Path) -> None:
    night = tmp_path / "code.sql"
    checked = NIGHT.replace(
        b"station integer\n);\nALTER TABLE rescue.boat OWNER",
        b"station integer CHECK (rescue.fit(id))\n);\nALTER TABLE rescue.boat OWNER",
    )
    made = b"CREATE FUNCTION rescue.fit(n integer) RETURNS boolean LANGUAGE sql AS $$ SELECT true $$;\nCREATE TABLE rescue.station"
    night.write_bytes(postgresql(checked.replace(b"CREATE TABLE rescue.station", made, 1)))

    with pytest.raises(CannotCheck, match=r"code of the backup on live: rescue\.fit"):
        _choice(night, "boat")

    assert "function rescue.fit" in _labels(_choice(night, "boat", how=Wanting(trusted=True)))
    assert "function rescue.fit" not in _labels(_choice(night, "boat", beside=[("function", "rescue", "fit", "")]))


def test_tables_of_mariadb_are_filled_aside_and_views_come_late(tmp_path: Path) -> None:
    night = tmp_path / "night.sql"
    night.write_bytes(
        mysql(
            b"CREATE TABLE `boat` (\n  `id` int NOT NULL,\n  `name` varchar(20),\n  PRIMARY KEY (`id`)\n) ENGINE=InnoDB;\n"
            b"INSERT INTO `boat` VALUES (1,'it\\'s'),(2,NULL);\n"
            b"/*!50001 CREATE VIEW `fleet` AS select `boat`.`id` AS `id` from `boat` */;\n"
            b"DELIMITER ;;\n/*!50003 CREATE*/ /*!50003 TRIGGER `t` BEFORE INSERT ON `boat` FOR EACH ROW SET @a = 1 */;;\nDELIMITER ;\n"
        )
    )
    collected = _collected(night, "boat")
    choice = Choice(collected, dialect_of(Engine.MARIADB), {}, Wanting(with_dependants=True))
    choice.settle()

    steps = [step for step in _steps(choice, {choice.tables[0]: "aside"}) if step.kind != Kind.SETTING]
    steps.sort(key=lambda step: step.late)

    assert [(step.kind, step.late) for step in steps] == [
        ("table", False),
        ("data", False),
        ("trigger", False),
        ("view", True),
    ]
    assert steps[0].statement.startswith(b"CREATE TABLE `aside`") and steps[0].undo == b"DROP TABLE IF EXISTS `aside`"
    assert b"ON `aside` FOR EACH ROW" in steps[2].statement and b"from `boat`" in steps[3].statement
    rows = b"".join(map(collected.read, steps[1].rows or ()))
    assert rows == b"(1, 'it''s'),\n(2, NULL)"


def test_values_that_have_to_be_worked_out_stop_the_reading(tmp_path: Path) -> None:
    night = tmp_path / "computed.sql"
    night.write_bytes(b"CREATE TABLE boat (id integer);\nINSERT INTO boat VALUES (1), (now());\n")
    with pytest.raises(CannotCheck, match="something else than a plain value"):
        _collected(night, "public.boat")


def test_what_words_are_said_of() -> None:
    for key, found in (
        (ObjectKey("comment", "", "table rescue.boat"), ("rescue", "boat")),
        (ObjectKey("comment", "", 'column "Old Logs".boat.id'), ("Old Logs", "boat")),
        (ObjectKey("comment", "", "trigger t on rescue.boat"), ("rescue", "boat")),
        (ObjectKey("comment", "", "materialized view rescue.v"), ("rescue", "v")),
        (ObjectKey("grant", "rescue", "f()", "crew"), ("rescue", "f")),
        (ObjectKey("owner", "rescue", "boat"), ("rescue", "boat")),
    ):
        assert settled(key) == found

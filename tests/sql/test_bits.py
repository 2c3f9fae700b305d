"""Single flipped bits that a server refuses: what the bytes show must be seen. And what only looks like one is sound."""

from __future__ import annotations

from pathlib import Path

import pytest

from tests.backups import copy_table, mysql, postgresql, tides
from tests.conftest import sospes

HEADING = "--\n-- Name: %s; Type: %s; Schema: public; Owner: duty\n--\n\n"
POSTGRESQL = (
    HEADING % ("state", "TYPE")
    + "CREATE TYPE public.state AS ENUM (\n    'moored',\n    'at sea'\n);\n\n\nALTER TYPE public.state OWNER TO duty;\n\n"
    + HEADING % ("twice(integer)", "FUNCTION")
    + "CREATE FUNCTION public.twice(n integer) RETURNS integer\n    LANGUAGE sql IMMUTABLE\n    AS $$SELECT 2 * n$$;\n\n\n"
    + HEADING % ("tide", "TABLE")
    + "CREATE TABLE public.tide (\n    id integer NOT NULL,\n    at timestamp with time zone,\n    lasts interval,\n"
    "    photo bytea,\n    urgent boolean DEFAULT false\n)\nPARTITION BY RANGE (id);\n\n\nALTER TABLE public.tide OWNER TO duty;\n\n"
    + HEADING
    % ("tide_2026", "TABLE")
    + "CREATE TABLE public.tide_2026 (\n    id integer NOT NULL,\n    at timestamp with time zone,\n    lasts interval,\n"
    "    photo bytea,\n    urgent boolean DEFAULT false\n);\n\n\nALTER TABLE public.tide_2026 OWNER TO duty;\n\n"
    + HEADING
    % ("tide_id_seq", "SEQUENCE")
    + "CREATE SEQUENCE public.tide_id_seq\n    AS integer\n    START WITH 1\n    INCREMENT BY 1\n    NO MINVALUE\n"
    "    NO MAXVALUE\n    CACHE 1;\n\n\n"
    + HEADING % ("tide_2026", "TABLE ATTACH")
    + "ALTER TABLE ONLY public.tide ATTACH PARTITION public.tide_2026 FOR VALUES FROM (1) TO (100);\n\n\n"
    + "--\n-- Data for Name: tide_2026; Type: TABLE DATA; Schema: public; Owner: duty\n--\n\n"
    + "COPY public.tide_2026 (id, at, lasts, photo, urgent) FROM stdin;\n"
    "1\t2026-01-09 16:26:00+00\t03:48:00\t\\\\x00ff5c\tf\n2\t\\N\t1 mon -3 days +04:05:06.5\t\\N\tt\n\\.\n\n\n"
    + HEADING % ("tide_id_seq", "SEQUENCE SET")
    + "SELECT pg_catalog.setval('public.tide_id_seq', 2, true);\n\n\n"
    + HEADING % ("tide_2026 tide_2026_pkey", "CONSTRAINT")
    + "ALTER TABLE ONLY public.tide_2026\n    ADD CONSTRAINT tide_2026_pkey PRIMARY KEY (id);\n\n\n"
    + HEADING % ("tide_2026_at", "INDEX")
    + "CREATE INDEX tide_2026_at ON public.tide_2026 USING btree (at);\n\n\n"
)
MARIADB = (
    "/*!40101 SET @saved_cs_client     = @@character_set_client */;\n/*!40101 SET character_set_client = utf8mb4 */;\n"
    "CREATE TABLE `boat` (\n  `id` int(11) NOT NULL AUTO_INCREMENT,\n  `note` text DEFAULT NULL,\n"
    "  `spare` longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(`spare`)),\n"
    "  PRIMARY KEY (`id`)\n) ENGINE=InnoDB AUTO_INCREMENT=3 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci COMMENT='a';\n"
    "/*!40101 SET character_set_client = @saved_cs_client */;\n\n"
    "LOCK TABLES `boat` WRITE;\nINSERT INTO `boat` VALUES (1,'a',NULL),\n(2,'b',NULL);\nUNLOCK TABLES;\n"
    "DELIMITER ;;\n/*!50003 CREATE*/ /*!50017 DEFINER=`root`@`localhost`*/ /*!50003 TRIGGER boat_check BEFORE INSERT ON boat "
    "FOR EACH ROW SET NEW.note = 'x' */;;\n/*!50106 CREATE*/ /*!50117 DEFINER=`root`@`localhost`*/ /*!50106 EVENT `nightly` "
    "ON SCHEDULE EVERY 1 DAY STARTS '2026-11-26 04:01:08' ON COMPLETION NOT PRESERVE ENABLE DO DELETE FROM boat WHERE id < 0 "
    "*/ ;;\nDELIMITER ;\n"
)
SQLITE = (
    "PRAGMA foreign_keys=OFF;\nBEGIN TRANSACTION;\n"
    "CREATE TABLE boat (id INTEGER PRIMARY KEY AUTOINCREMENT, name TEXT, CHECK (length(name) > 0));\n"
    "INSERT INTO boat VALUES(1,'Skarv');\nINSERT INTO boat VALUES(2,'Lom');\n"
    "DELETE FROM sqlite_sequence;\nINSERT INTO sqlite_sequence VALUES('boat',2);\n"
    "CREATE VIEW names AS SELECT name FROM boat GROUP BY name;\nCOMMIT;\n"
)


def _verdict(tmp_path: Path, text: bytes) -> str:
    (tmp_path / "night.sql").write_bytes(text)
    verdict: str = sospes("verify", tmp_path / "night.sql", "--json").document["verdict"]
    return verdict


def _one_bit(one: bytes, other: bytes) -> bool:
    unlike = [a ^ b for a, b in zip(one, other, strict=True) if a != b]
    return len(unlike) == 1 and unlike[0].bit_count() == 1


@pytest.mark.parametrize(
    ("was", "became"),
    [
        ("AS ENUM (", "AS ENUM  "),
        ("TYPE public.state OWNER TO duty", "TYPE public.state OWNER TO dupy"),
        ("    AS $$SELECT", "   `AS $$SELECT"),
        ("IMMUTABLE", "IMMUTAFLE"),
        ("boolean DEFAULT false\n)\nPART", "foolean DEFAULT false\n)\nPART"),
        (")\nPARTITION BY", ")\nPQRTITION BY"),
        ("    NO MAXVALUE", "    NN MAXVALUE"),
        ("    INCREMENT", "   !INCREMENT"),
        ("\n    CACHE 1", "\x0b    CACHE 1"),
        ("\n\nALTER TABLE ONLY public.tide A", "\n\x0bALTER TABLE ONLY public.tide A"),
        ("2026-01-09 16:26:00+00", "2026-01-09 16:26:00+80"),
        ("2026-01-09 16:26:00+00", "2026-01-09 16:26:00+20"),
        ("\t03:48:00", "\t03:48:p0"),
        ("\t03:48:00", "\t03:t8:00"),
        ("\t03:48:00", "\t03:48:80"),
        ("\t\\\\x00ff5c", "\t]\\x00ff5c"),
        ("\t\\\\x00ff5c", "\tT\\x00ff5c"),
        ("setval('public.tide_id_seq", "setval('public.tide_id_req"),
        ("pg_catalog.setval", "pg_cadalog.setval"),
        ("PRIMARY KEY (id);\n\n\n--", "PRIMARY KEY (id)9\n\n\n--"),
        ("\n2\t\\N", "\n0\t\\N"),
    ],
)
def test_a_bit_of_postgresql_that_the_server_refuses(was: str, became: str, tmp_path: Path) -> None:
    whole = postgresql(POSTGRESQL.encode())
    assert _verdict(tmp_path, whole) == "sound"
    assert whole.count(was.encode()) >= 1
    damaged = whole.replace(was.encode(), became.encode(), 1)
    if not was.startswith("\n2"):
        assert _one_bit(whole, damaged)
        assert _verdict(tmp_path, damaged) != "sound"
    else:  # the key is still one of a kind
        assert _verdict(tmp_path, damaged) == "sound"
        assert _verdict(tmp_path, whole.replace(b"\n2\t", b"\n1\t")) == "unsound"


@pytest.mark.parametrize(
    ("was", "became"),
    [
        ("SET character_set_client = utf8mb4", "SET character_set_client = utf8mb0"),
        ("DEFAULT NULL CHECK", "DEFAULT NULL GHECK"),
        ("PRIMARY KEY (`id`)", "PRIMARY KEY!(`id`)"),
        ("DEFAULT CHARSET", "DEF@ULT CHARSET"),
        ("CHARSET=utf8mb4 COLLATE", "CHARSET=utf8mb< COLLATE"),
        ("COMMENT='a'", "COMMENT=7a'"),
        ("`note` text DEFAULT", "`note` text(DEFAULT"),
        ("LOCK TABLES `boat`", "LOCK TABLES `boau`"),
        ("ON SCHEDULE", "ON SCHEDUNE"),
        ("EVERY 1 DAY", "EVMRY 1 DAY"),
        ("NOT PRESERVE", "NOT PBESERVE"),
        ("(2,'b'", "(1,'b'"),
    ],
)
def test_a_bit_of_mariadb_that_the_server_refuses(was: str, became: str, tmp_path: Path) -> None:
    whole = mysql(MARIADB.encode())
    assert _verdict(tmp_path, whole) == "sound"
    damaged = whole.replace(was.encode(), became.encode(), 1)

    assert damaged != whole
    assert _verdict(tmp_path, damaged) != "sound"


@pytest.mark.parametrize(
    ("was", "became"),
    [
        ("length(name)", "length(naoe)"),
        ("DELETE FROM", "DELETE FROE"),
        ("INSERT INTO sqlite_sequence VALUES", "INSERT INTO sqlite_sequence V@LUES"),
        ("GROUP BY", "WROUP BY"),
        ("'Skarv');\n", "'Skarv');\x0b"),
        ("foreign_keys=OFF", "foreign#keys=OFF"),
        ("VALUES(2,'Lom')", "VALUES(1,'Lom')"),
    ],
)
def test_a_bit_of_sqlite_that_the_engine_refuses(was: str, became: str, tmp_path: Path) -> None:
    assert _verdict(tmp_path, SQLITE.encode()) == "sound"
    damaged = SQLITE.replace(was, became, 1)

    assert damaged != SQLITE
    assert _verdict(tmp_path, damaged.encode()) != "sound"


def test_names_that_are_a_bit_away_from_keywords_are_names(tmp_path: Path) -> None:
    """Bow and row, tile and time, foolean and boolean: people name things as they like."""
    columns = [("tile", "integer"), ("bow", "text"), ("tame", "public.foolean")]
    made = b"CREATE DOMAIN public.foolean AS text;\nCREATE TABLE public.rop (\n    frop integer\n);\n"
    assert _verdict(tmp_path, postgresql(made + copy_table("public.sable", columns, [["1", "x", "y"]]))) == "sound"
    routine = (
        "CREATE TABLE `bow` (\n  `tile` int(11) DEFAULT NULL\n);\nINSERT INTO `bow` VALUES (1);\nDELIMITER ;;\n"
        "CREATE DEFINER=`root`@`localhost` PROCEDURE `tame`(OUT bow int, IN evert int)\nBEGIN\n  DECLARE begio int;\n"
        "  SELECT evert INTO bow;\nEND ;;\nDELIMITER ;\n"
    )
    assert _verdict(tmp_path, mysql(routine.encode())) == "sound"


def test_a_function_may_hold_a_heading_and_what_looks_like_damage(tmp_path: Path) -> None:
    body = (
        "CREATE FUNCTION public.odd() RETURNS text\n    LANGUAGE plpgsql\n    AS $_$\nBEGIN\n"
        "--\n-- Name: tide; Type: TABLE; Schema: public; Owner: -\n--\n RETURN `SELEKT` ! 'x\x0by';\nEND\n$_$;\n"
    )
    assert _verdict(tmp_path, postgresql(body.encode() + tides())) == "sound"


@pytest.mark.parametrize(
    "value",
    [
        "1 year 2 mons -3 days +04:05:06.789", "-00:00:01", "@ 1 year 2 mons ago", "+1-2 -3 +4:05:06", "P1Y2M3DT4H5M6.7S",
        "infinity", "00:00:00", "1 day", "3 days 25:00:00", "100:59:59.999999", "-1 years -2 mons",
    ],
)  # fmt: skip
def test_intervals_as_servers_write_them(value: str, tmp_path: Path) -> None:
    assert _verdict(tmp_path, postgresql(copy_table("public.tide", [("a", "interval")], [[value]]))) == "sound"


@pytest.mark.parametrize("cell", ["a\\\\x00b", "\\\\\\\\x", "a\\x41b", "\\101", "\\x4"])
def test_escapes_that_make_no_zero_byte_are_text(cell: str, tmp_path: Path) -> None:
    assert _verdict(tmp_path, postgresql(copy_table("public.tide", [("a", "text")], [[cell]]))) == "sound"


@pytest.mark.parametrize("cell", ["a\\x00b", "\\0", "\\000", "\\x0", "\\x0g"])
def test_escapes_that_make_a_zero_byte_are_a_fault(cell: str, tmp_path: Path) -> None:
    assert _verdict(tmp_path, postgresql(copy_table("public.tide", [("a", "text")], [[cell]]))) == "unsound"

"""PostgreSQL archives: single file, directory, tar; every version and compression; damaged in all their parts."""

from __future__ import annotations

import gzip
import io
import random
import shutil
import subprocess
import sys
import tarfile
from pathlib import Path

import pytest

from tests.backups import archive, archive_integer
from tests.conftest import DUMPS, sospes, verdict_of
from tests.servers import PostgresServer

ARCHIVES = ["postgresql-15.dump", "postgresql-18-repeated.dump", "postgresql-17.tar.gz", "postgresql-18.dir"]


@pytest.fixture(params=ARCHIVES)
def real(request: pytest.FixtureRequest) -> Path:
    path: Path = DUMPS / request.param
    return path


def test_archives_hold_the_same_rows_as_scripts(real: Path) -> None:
    assert verdict_of("verify", real) == ("sound", 0)
    assert verdict_of("rehearse", real) == ("sound", 0)
    assert verdict_of("compare", real, DUMPS / "postgresql-18.sql") == ("sound", 0)
    assert verdict_of("compare", DUMPS / "postgresql-17-inserts.sql.xz", real) == ("sound", 0)


def test_inspect_reads_only_the_table_of_contents(real: Path) -> None:
    found = sospes("inspect", real, "--json").document["result"]

    assert (found["format"], found["engine"], found["kind"], found["databases"]) == (
        "pg-archive",
        "postgresql",
        "full",
        ["harbour"],
    )
    assert found["written_at"].startswith("2026-11-23T07:14:")
    assert found["encoding"] == "UTF8" and found["engine_version"].split(".")[0] in real.name
    tables = {f"{table['schema']}.{table['name']}": table for table in found["tables"]}
    assert tables["rescue.station"]["columns"] == ["id", "name", "code", "Founded On", "budget", "changed_at"]
    assert tables["rescue.station"]["rows"] is None
    objects = {(item["kind"], item["schema"], item["name"]) for item in found["objects"]}
    assert {("view", "rescue", "busy"), ("index", "rescue", "call_out_began"), ("trigger", None, "call_out_touch"),
            ("constraint", "rescue", "boat_station_id_fkey"), ("function", "rescue", "knots"), ("large object", None, "4242")} <= objects  # fmt: skip
    entries = {(entry["kind"], entry["name"]): entry for entry in found["entries"]}
    assert entries["table data", "call_out"]["has_data"] and entries["table", "call_out"]["owner"] == "postgres"


def test_stored_sizes_where_the_contents_place_the_data() -> None:
    entries = sospes("inspect", DUMPS / "postgresql-15.dump", "--json").document["result"]["entries"]

    sizes = {entry["name"]: entry["stored_bytes"] for entry in entries if entry["kind"] == "table data"}
    assert sizes["call_out"] > 5000 and sizes["empty_table"] < 60


@pytest.mark.parametrize("version", [12, 13, 14, 15, 16])
@pytest.mark.parametrize("compression", [None, "gzip", "lz4", "zstandard"])
def test_every_version_and_compression(tmp_path: Path, version: int, compression: str | None) -> None:
    if version < 15 and compression not in {None, "gzip"}:
        pytest.skip("this compression came with version 1.15")
    (tmp_path / "a.dump").write_bytes(archive(version, compression))

    document = sospes("verify", tmp_path / "a.dump", "--json").document

    assert (document["verdict"], document["rung"]) == ("sound", "intact")
    found = document["result"]
    assert (found["compression"], found["written_at"], found["complete"]) == (compression, "2026-11-22T03:04:05", True)
    assert [(table["name"], table["rows"]) for table in found["tables"]] == [("station", 2)]
    assert verdict_of("rehearse", tmp_path / "a.dump") == ("sound", 0)


@pytest.mark.parametrize("compression", [None, "gzip", "lz4", "zstandard"])
def test_an_archive_cut_anywhere_is_never_sound(tmp_path: Path, compression: str | None) -> None:
    whole = archive(16, compression)
    for kept in range(0, len(whole), 7):
        (tmp_path / "a.dump").write_bytes(whole[:kept])
        assert verdict_of("verify", tmp_path / "a.dump")[0] != "sound", kept


def test_real_archives_cut_anywhere_are_never_sound(tmp_path: Path, real: Path) -> None:
    chance = random.Random(11)
    for _ in range(25):
        target = tmp_path / real.name
        shutil.rmtree(target, ignore_errors=True)
        if real.is_dir():
            shutil.copytree(real, target)
            damaged = chance.choice([path for path in sorted(target.iterdir()) if path.stat().st_size > 1])
        else:
            damaged = Path(shutil.copyfile(real, target))
        whole = damaged.read_bytes()
        damaged.write_bytes(whole[: chance.randrange(len(whole) - 1)])
        assert verdict_of("verify", target)[0] != "sound", (damaged.name, damaged.stat().st_size)


@pytest.mark.parametrize("compression", ["gzip", "lz4", "zstandard"])
def test_flipped_bits_in_packed_rows_are_always_found(tmp_path: Path, compression: str) -> None:
    whole = archive(16, compression)
    chance = random.Random(5)
    start = whole.rindex(b"\x01" + archive_integer(3)) + 6
    for _ in range(60):
        flipped = bytearray(whole)
        place = chance.randrange(start, len(whole))
        flipped[place] ^= 1 << chance.randrange(8)
        (tmp_path / "a.dump").write_bytes(flipped)
        document = sospes("verify", tmp_path / "a.dump", "--json").document
        tables = document["result"]["tables"]
        assert document["verdict"] != "sound" or tables[0]["rows"] == 2, place


def test_damage_in_one_table_leaves_the_others(tmp_path: Path) -> None:
    folder = tmp_path / "night"
    shutil.copytree(DUMPS / "postgresql-18.dir", folder)
    entries = sospes("inspect", folder, "--json").document["result"]["entries"]
    assert any(entry["name"] == "call_out" for entry in entries)
    largest = max(folder.glob("*.dat.gz"), key=lambda path: path.stat().st_size)
    data = bytearray(largest.read_bytes())
    data[len(data) // 2] ^= 0x10
    largest.write_bytes(data)

    document = sospes("verify", folder, "--json").document

    assert document["verdict"] == "unsound"
    assert {item["place"]["table"] for item in document["findings"] if item["severity"] == "fault"} == {"call_out"}
    rows = {table["name"]: table["rows"] for table in document["result"]["tables"]}
    assert (rows["station"], rows["seed_lot"]) == (4, 50)
    assert sospes("extract", folder, "rescue.station", "--out", tmp_path / "out.sql").code == 0
    assert sospes("extract", folder, "rescue.call_out", "--out", tmp_path / "bad.sql").code == 1
    assert not (tmp_path / "bad.sql").exists()


@pytest.mark.parametrize(("change", "code"), [
    pytest.param(lambda folder: next(folder.glob("27*.dat.gz")).unlink(), "member-missing", id="missing"),
    pytest.param(lambda folder: (folder / "blob_4242.dat.gz").unlink(), "member-missing", id="missing-large-object"),
    pytest.param(lambda folder: next(folder.glob("27*.dat.gz")).write_bytes(b""), "member-damaged", id="emptied"),
    pytest.param(lambda folder: (folder / "toc.dat").write_bytes(b""), "truncated", id="no-contents"),
    pytest.param(lambda folder: (folder / "toc.dat").write_bytes((folder / "toc.dat").read_bytes() + b"more"), "contents-damaged", id="more-contents"),
])  # fmt: skip
def test_a_directory_that_is_not_whole(tmp_path: Path, change: object, code: str) -> None:
    folder = tmp_path / "night"
    shutil.copytree(DUMPS / "postgresql-18.dir", folder)
    change(folder)  # type: ignore[operator]

    assert code in sospes("verify", folder, "--json").codes


def test_strange_files_are_noted_and_a_folder_without_contents_is_refused(tmp_path: Path) -> None:
    folder = tmp_path / "night"
    shutil.copytree(DUMPS / "postgresql-18.dir", folder)
    (folder / "README.txt").write_text("hello")
    run = sospes("verify", folder, "--json")
    assert (run.code, [item["code"] for item in run.document["findings"]]) == (0, ["file-stray"])
    (folder / "toc.dat").unlink()
    assert sospes("verify", folder).code == 2


WHOLE = archive(16, None)


@pytest.mark.parametrize(("old", "new", "code"), [
    pytest.param(b"PGDMP\x01\x10", b"PGDMP\x01\x11", "version-unknown", id="newer-version"),
    pytest.param(b"PGDMP\x01\x10", b"PGDMP\x02\x10", "contents-damaged", id="unknown-version"),
    pytest.param(archive_integer(4) + archive_integer(1), archive_integer(2**31 - 1) + archive_integer(1), "contents-damaged", id="absurd-count"),
    pytest.param(archive_integer(7) + b"station", archive_integer(2**30) + b"station", "contents-damaged", id="absurd-length"),
    pytest.param(b"CONSTRAINT\0", b"CONSTRAINU\0", "entry-unknown", id="unknown-kind"),
    pytest.param(b"CREATE TABLE public.station", b"CREATE TABLE public.statioo", "announced-otherwise", id="definition-of-another"),
    pytest.param(b"COPY public.station (id, name)", b"COPY public.station (id, nane)", "column-unknown", id="column"),
    pytest.param(b"Innsund", b"In\tsund", "row-shape", id="row-shape"),
    pytest.param(b"\\.\n\n\n", b"\\.\nxx", "data-unexpected", id="behind-the-rows"),
    pytest.param(b"\x01" + archive_integer(3) + archive_integer(7), b"\x01" + archive_integer(9) + archive_integer(7), "data-unexpected", id="data-of-none"),
])  # fmt: skip
def test_contents_and_data_that_do_not_fit(tmp_path: Path, old: bytes, new: bytes, code: str) -> None:
    plain = archive(16, None)
    joined = plain.replace(old, new, 1)
    if joined == plain:  # rows lie in blocks of seven bytes: change them before they are cut
        joined = (
            archive(16, None, b"1\tSkarholm\n2\tIn\tsund\n")
            if code == "row-shape"
            else plain[:-10] + plain[-10:].replace(b"\n", b"x")
        )
    (tmp_path / "a.dump").write_bytes(joined)

    run = sospes("verify", tmp_path / "a.dump", "--json")

    assert code in run.codes, run.codes
    assert run.code == (3 if code == "version-unknown" else 1)


def test_loops_among_dependencies(tmp_path: Path) -> None:
    text = archive_integer(1) + b"2" + archive_integer(-1)
    looped = WHOLE.replace(b"false" + archive_integer(-1) + b"\x03", b"false" + text + b"\x03", 2)

    (tmp_path / "a.dump").write_bytes(looped)
    assert looped != WHOLE
    assert sospes("verify", tmp_path / "a.dump").code in {0, 1}
    both = WHOLE.replace(b"false" + archive_integer(-1), b"false" + archive_integer(1) + b"4" + archive_integer(-1), 2)
    (tmp_path / "b.dump").write_bytes(both)
    assert "dependency-loop" in sospes("verify", tmp_path / "b.dump", "--json").codes


def test_tars_with_paths_or_links_are_refused(tmp_path: Path) -> None:
    source = tarfile.open(fileobj=gzip.open(DUMPS / "postgresql-17.tar.gz"), mode="r|")  # noqa: SIM115
    contents = source.extractfile(next(iter(source)))
    assert contents is not None
    toc = contents.read()
    for name, kind in (("../../evil.dat", tarfile.REGTYPE), ("2674.dat", tarfile.SYMTYPE)):
        with tarfile.open(tmp_path / "a.tar", "w", format=tarfile.USTAR_FORMAT) as made:
            first = tarfile.TarInfo("toc.dat")
            first.size = len(toc)
            made.addfile(first, io.BytesIO(toc))
            second = tarfile.TarInfo(name)
            second.type, second.linkname = kind, "/etc/passwd"
            made.addfile(second)
        assert "tar-damaged" in sospes("verify", tmp_path / "a.tar", "--json").codes


def test_archives_from_standard_input_and_packed_around(tmp_path: Path) -> None:
    whole = (DUMPS / "postgresql-15.dump").read_bytes()
    command = [sys.executable, "-m", "sospes", "verify", "-", "--quiet"]
    assert subprocess.run(command, input=whole, capture_output=True, timeout=60, check=False).returncode == 0
    (tmp_path / "a.gz").write_bytes(gzip.compress(whole))
    assert verdict_of("verify", tmp_path / "a.gz") == ("sound", 0)
    assert sospes("inspect", tmp_path / "a.gz", "--json").document["result"]["compression"] == "gzip+gzip"


@pytest.mark.servers
@pytest.mark.parametrize(
    "options", [["-Fc"], ["-Fc", "-Z0"], ["-Fc", "--inserts"], ["-Ft"], ["-Fc", "--load-via-partition-root"]]
)
def test_fresh_archives_and_their_tables_load_on_the_server(
    postgres: PostgresServer, tmp_path: Path, options: list[str]
) -> None:
    night = tmp_path / "night.dump"
    night.write_bytes(postgres.dump("harbour", *options))

    assert verdict_of("verify", night) == ("sound", 0)
    assert verdict_of("rehearse", night) == ("sound", 0)
    database = "archived_" + "_".join(option.strip("-").replace("-", "_").lower() for option in options)
    postgres.run_sql("postgres", f"CREATE DATABASE {database}")
    tables = ["rescue.station", "rescue.boat", "rescue.call_out", "public.seed_lot", "public.seed", "public.tide"]
    assert sospes("extract", night, *tables, "--out", tmp_path / "out.sql").code == 0
    postgres.run_sql(database, (tmp_path / "out.sql").read_bytes())
    again = tmp_path / "again.sql"
    again.write_bytes(postgres.dump(database, "--load-via-partition-root" if "root" in database else "--no-comments"))
    named = [word for table in tables[:5] for word in ("--table", table)]
    assert verdict_of("compare", again, night, *named) == ("sound", 0)


@pytest.mark.servers
def test_all_tables_of_an_archive_as_a_script_load_on_the_server(postgres: PostgresServer, tmp_path: Path) -> None:
    night = tmp_path / "night.dump"
    night.write_bytes(postgres.dump("harbour", "-Fc"))

    assert sospes("extract", night, "--all", "--out", tmp_path / "all.sql").code == 0
    postgres.run_sql("postgres", "CREATE DATABASE everything")
    postgres.run_sql("everything", (tmp_path / "all.sql").read_bytes())

    (tmp_path / "again.sql").write_bytes(postgres.dump("everything"))
    assert verdict_of("compare", "--rows-only", tmp_path / "again.sql", night) == ("sound", 0)
    assert sospes("extract", night).code == 2
    assert sospes("extract", night, "seed_lot", "--all").code == 2

"""Whatever a backup's code does inside of a private server, as its superuser even, nothing outside is touched."""

from __future__ import annotations

import json
import os
import signal
import socket
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable, Iterator
from contextlib import closing, suppress
from pathlib import Path

import psycopg
import pymysql
import pytest

from sospes.formats.opening import Opening
from sospes.model.entries import Engine
from sospes.model.errors import CannotCheck, NoRoom
from sospes.sides.mariadb.live import connected as mariadb_connected
from sospes.sides.mariadb.private import PrivateMariadb
from sospes.sides.postgresql.live import connected as postgresql_connected
from sospes.sides.postgresql.private import PrivatePostgresql
from sospes.sides.registry import server_of
from sospes.sides.servers import private, walls
from sospes.sides.servers.binaries import find_binaries
from sospes.sides.servers.walls import WALLS, Cells, Streams
from sospes.work.restore.embedded import Rehearsing
from sospes.work.restore.server import rehearse_on_server
from tests.backups import copy_table, mysql, postgresql
from tests.conftest import folder_for_all, sospes
from tests.servers import PostgresServer

linux = pytest.mark.skipif(sys.platform != "linux", reason="cells are Linux's")
ORDINARY = 4321
"""The number of a user that owns nothing here."""


@pytest.fixture
def canary(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Path]:
    """A folder that everybody may write in, outside of any server's."""
    folder = folder_for_all(tmp_path_factory.mktemp("canary"))
    (folder / "secret").write_text("of nobody's business")
    (folder / "secret").chmod(0o666)
    yield folder
    assert [path.name for path in folder.iterdir()] == ["secret"], "something came out of a cell"
    assert (folder / "secret").read_text() == "of nobody's business"


@pytest.fixture(scope="module")
def inside() -> Iterator[PrivatePostgresql]:
    try:
        binaries = find_binaries(server_of(Engine.POSTGRESQL).installed, (), None)
    except CannotCheck as error:
        pytest.skip(error.problem)
    server = PrivatePostgresql(binaries, None).started()
    yield server
    server.remove()


@pytest.fixture(scope="module")
def inside_mariadb() -> Iterator[PrivateMariadb]:
    try:
        binaries = find_binaries(server_of(Engine.MARIADB).installed, (), None)
    except CannotCheck as error:
        pytest.skip(error.problem)
    server = PrivateMariadb(binaries, None).started()
    yield server
    server.remove()


def _tried(server: PrivatePostgresql, *statements: str) -> str:
    """What the server says to statements of its superuser, in one session."""
    said = []
    with postgresql_connected(server.address("postgres")) as session:
        for statement in statements:
            try:
                found = session.execute(statement.encode())
                said.append(str(found.fetchall()) if found.description else "done")
            except psycopg.Error as error:
                said.append(f"ERROR {error}")
    return "\n".join(said)


@linux
@pytest.mark.servers
@pytest.mark.parametrize(
    "command",
    [
        "echo out > {canary}/program",
        "cp /etc/shadow {canary}/shadow",
        "cat {canary}/secret > {canary}/copy",
        "rm -rf {canary}",
        "kill -9 {pid}; kill -STOP {pid}; touch {canary}/killed",
        "exec 3<>/dev/tcp/127.0.0.1/{port}; echo GET >&3; touch {canary}/net",
        "mount -t tmpfs none /mnt && touch {canary}/mounted",
        "unshare -Ur true && touch {canary}/spaces",
        "chmod u+s /bin/sh; su -c 'touch {canary}/root'",
        "mknod /tmp/disk b 8 0 && dd if=/dev/zero of=/tmp/disk count=1 && touch {canary}/disk",
        "echo x > /proc/sysrq-trigger && touch {canary}/sysrq",
        "cd /proc/1/root && touch .{canary}/escaped",
        "ln -s {canary} $HOME/link; touch $HOME/link/linked",
    ],
)
def test_programs_of_postgresql_reach_nothing(inside: PrivatePostgresql, canary: Path, command: str) -> None:
    with closing(socket.create_server(("127.0.0.1", 0))) as listener:
        listener.settimeout(0.1)
        text = command.format(canary=canary, pid=os.getpid(), port=listener.getsockname()[1])
        _tried(inside, f"COPY (SELECT 1) TO PROGRAM $x$/bin/bash -c '{text.replace(chr(39), chr(39) * 2)}'$x$")
        _tried(inside, f"COPY (SELECT 1) TO PROGRAM $x${text}$x$")
        with pytest.raises(TimeoutError):
            listener.accept()
    assert "1" in _tried(inside, "SELECT 1"), "the server itself goes on"


@linux
@pytest.mark.servers
def test_what_kills_all_that_it_sees_kills_its_own_server_only(canary: Path) -> None:
    server = PrivatePostgresql(find_binaries(server_of(Engine.POSTGRESQL).installed, (), None), None).started()
    try:
        with suppress(CannotCheck):
            _tried(server, "COPY (SELECT 1) TO PROGRAM 'kill -9 -1'", "SELECT 1")
        os.kill(os.getpid(), 0)
    finally:
        server.remove()
    assert not server.folder.exists()


@linux
@pytest.mark.servers
def test_files_of_postgresql_stay_inside(inside: PrivatePostgresql, canary: Path) -> None:
    said = _tried(
        inside,
        f"COPY (SELECT 'x') TO '{canary}/copied'",
        f"CREATE TABLE stolen (line text); COPY stolen FROM '{canary}/secret'",
        f"SELECT pg_read_file('{canary}/secret')",
        "SELECT pg_read_file('/etc/shadow')",
        f"SELECT lo_export(lo_from_bytea(0, 'x'), '{canary}/exported')",
        f"SELECT lo_import('{canary}/secret')",
        f"CREATE TABLESPACE far LOCATION '{canary}'",
        "ALTER SYSTEM SET archive_command = 'touch /tmp/archived'",
        "SELECT pg_ls_dir('/root')",
        "SELECT string_agg(x, ',') FROM pg_ls_dir('/') x",
    )
    assert "of nobody's business" not in said
    assert said.count("ERROR") >= 8
    assert "root," not in said.splitlines()[-1] and "home" not in said.splitlines()[-1]


@linux
@pytest.mark.servers
def test_a_library_that_was_written_inside_can_not_be_run(inside: PrivatePostgresql, canary: Path) -> None:
    said = _tried(
        inside,
        "COPY (SELECT 1) TO PROGRAM 'cp /bin/true $HOME/program && chmod +x $HOME/program && $HOME/program'",
        "COPY (SELECT 1) TO PROGRAM 'cp /bin/true /tmp/program; chmod +x /tmp/program; /tmp/program'",
        "COPY (SELECT 1) TO PROGRAM 'cp /bin/true /dev/shm/program; chmod +x /dev/shm/program; /dev/shm/program'",
    )
    assert said.count("not executable") == 3, "nothing that can be written can be executed"


@linux
@pytest.mark.servers
def test_other_servers_are_out_of_reach(inside: PrivatePostgresql, postgres: PostgresServer) -> None:
    postgres.run_sql("postgres", "CREATE TABLE canary (a int)")
    try:
        said = _tried(
            inside,
            "CREATE EXTENSION IF NOT EXISTS dblink",
            f"SELECT dblink_exec('host={postgres.folder} user=postgres dbname=postgres', 'DROP TABLE canary')",
            f"COPY (SELECT 1) TO PROGRAM 'psql -h {postgres.folder} -U postgres -c \"DROP TABLE canary\"'",
            "COPY (SELECT 1) TO PROGRAM 'ls /tmp /run /var/run > $HOME/list'",
            "SELECT pg_read_file(current_setting('data_directory') || '/../list')",
        )
        assert postgres.query("postgres", "SELECT count(*) FROM canary").strip() == b"0"
        assert str(postgres.folder.name) not in said.splitlines()[-1]
    finally:
        postgres.run_sql("postgres", "DROP TABLE canary")


@linux
@pytest.mark.servers
def test_a_run_may_not_take_all_processes_or_memory(inside: PrivatePostgresql) -> None:
    limits = _tried(
        inside,
        "COPY (SELECT 1) TO PROGRAM 'ulimit -a > $HOME/limits; cat /proc/self/status >> $HOME/limits'",
        "SELECT pg_read_file(current_setting('data_directory') || '/../limits')",
    )
    assert ("512" in limits and "core file size" in limits) or "coredump" in limits
    assert "NoNewPrivs:\\t1" in limits and "Seccomp:\\t2" in limits
    assert "CapEff:\\t0000000000000000" in limits and "CapBnd:\\t0000000000000000" in limits


@linux
@pytest.mark.servers
def test_files_of_mariadb_stay_inside(inside_mariadb: PrivateMariadb, canary: Path) -> None:
    statements = [
        f"SELECT 'x' INTO OUTFILE '{canary}/out'",
        f"SELECT LOAD_FILE('{canary}/secret') IS NULL",
        f"SET GLOBAL general_log_file = '{canary}/log'",
        "SET GLOBAL general_log = ON",
        f"SET GLOBAL slow_query_log_file = '{canary}/slow'",
        "SET GLOBAL slow_query_log = ON",
        f"CREATE DATABASE far; CREATE TABLE far.t (a int) DATA DIRECTORY '{canary}'",
        "CREATE FUNCTION sys_exec RETURNS INTEGER SONAME 'lib_mysqludf_sys.so'",
        "INSTALL SONAME 'ha_federatedx'",
        "SELECT 'x' INTO DUMPFILE '/usr/lib/mysql/plugin/evil.so'",
        f"LOAD DATA INFILE '{canary}/secret' INTO TABLE mysql.help_topic",
    ]
    said = []
    with closing(mariadb_connected(inside_mariadb.address(""))) as session, session.cursor() as cursor:
        for statement in statements:
            try:
                cursor.execute(statement)
                said.append(str(cursor.fetchall()))
            except pymysql.Error as error:
                said.append(f"ERROR {error}")
    assert "of nobody's business" not in "".join(said)
    assert said[1] == "(('1',),)", "a file outside reads as none"


@linux
@pytest.mark.servers
def test_what_is_shut_is_told(tmp_path: Path) -> None:
    night = tmp_path / "night.sql"
    night.write_bytes(postgresql(copy_table("public.tide", [("id", "integer")], [["1"]])))
    side = sospes("rehearse", "--side", "private", night, "--json").document["result"]["side"]
    assert side["confined"] == list(WALLS)

    run = sospes("rehearse", "--side", "private", "--unconfined", night, "--json")
    assert (run.code, run.codes) == (3, ["unconfined"])
    assert run.document["result"]["side"]["confined"] == []
    assert sospes("rehearse", "--unconfined", night).code == 2
    assert sospes("rehearse", night, "--json").document["result"]["side"]["confined"] is None


@linux
@pytest.mark.servers
@pytest.mark.parametrize("missing", WALLS)
def test_without_one_of_the_walls_nothing_is_restored(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch, missing: str
) -> None:
    reported = walls._reported

    def open_somewhere(read: int) -> dict[str, object]:
        report = reported(read)
        return {**report, "shut": [wall for wall in report["shut"] if wall != missing]}

    monkeypatch.setattr(walls, "_reported", open_somewhere)
    night = tmp_path / "night.sql"
    night.write_bytes(postgresql(copy_table("public.tide", [("id", "integer")], [["1"]])))

    run = sospes("rehearse", "--side", "private", night)

    assert run.code == 3 and f"other {missing} can be reached" in run.err and "--unconfined" in run.err


@linux
def test_a_system_that_forbids_name_spaces_says_so(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    broken = tmp_path / "cell.py"
    broken.write_text(
        "import json, os, sys\nos.write(int(sys.argv[1]), json.dumps({'problem': 'not permitted'}).encode())\n"
    )
    monkeypatch.setattr(walls, "_CELL", broken)
    cells = Cells(tmp_path, [Path("/bin/true")], None)

    with (
        pytest.raises(CannotCheck, match="not permitted"),
        cells.program(["/bin/true"], {}, Streams(subprocess.DEVNULL, subprocess.DEVNULL, subprocess.DEVNULL)),
    ):
        pass


@linux
@pytest.mark.skipif(os.geteuid() != 0, reason="an ordinary user's servers run as that user")
@pytest.mark.servers
def test_a_work_folder_that_only_its_owner_gets_into(tmp_path: Path) -> None:
    night = tmp_path / "night.sql"
    night.write_bytes(postgresql(copy_table("public.tide", [("id", "integer")], [["1"]])))
    with tempfile.TemporaryDirectory(dir="/tmp") as work:  # a short path, as sockets want it
        run = sospes("rehearse", "--side", "private", "--work-folder", work, night)

        assert run.code == 3 and "nobody but its owner gets in" in run.err and not any(Path(work).iterdir())


def _in_a_cell(folder: Path, user: int | None, command: str) -> str:
    cells = Cells(folder, [Path("/bin/sh")], user)
    streams = Streams(subprocess.DEVNULL, subprocess.PIPE, subprocess.STDOUT)
    with cells.program(["/bin/sh", "-c", command], {"PATH": "/usr/bin:/bin", "HOME": str(folder)}, streams) as process:
        out, _ = process.communicate(timeout=20)
    return out.decode()


@linux
@pytest.mark.skipif(os.geteuid() != 0, reason="only root gives a cell another user")
def test_a_cell_of_root_runs_as_nobody_who_is_known(tmp_path: Path, canary: Path) -> None:
    work = canary.parent / "work"
    work.mkdir()
    user = walls.nobodys_number()
    os.chown(work, user, user)

    said = _in_a_cell(
        work, user, "id -u; id -G; echo in > $HOME/inside; echo out > " + f"{canary}/outside; cat {canary}/secret"
    )

    assert said.split()[:2] == ["4711", "4711"] and "of nobody" not in said
    assert (work / "inside").read_text() == "in\n" and (work / "inside").stat().st_uid == user


@linux
@pytest.mark.skipif(os.geteuid() != 0, reason="an ordinary user runs all tests as one")
def test_the_same_as_an_ordinary_user(tmp_path_factory: pytest.TempPathFactory, canary: Path) -> None:
    work = canary.parent / "ordinary"
    work.mkdir()
    os.chown(work, ORDINARY, ORDINARY)
    script = (
        "import json, subprocess, sys\nfrom pathlib import Path\nsys.path[:0] = json.loads(sys.argv[1])\n"
        "from sospes.sides.servers.walls import Cells, Streams\n"
        "cells = Cells(Path(sys.argv[2]), [Path('/bin/sh')], None)\n"
        "with cells.program(['/bin/sh', '-c', sys.argv[3]], {'PATH': '/usr/bin:/bin'}, Streams(-3, -1, -2)) as p:\n"
        "    print(p.communicate(timeout=20)[0].decode(), cells.walls)\n"
    )
    interpreter = next((path for path in ("/usr/bin/python3", sys.executable) if _may_run(path)), None)
    if interpreter is None:
        pytest.skip("no interpreter here that an ordinary user may run")
    done = subprocess.run(
        [interpreter, "-B", "-c", script, json.dumps(sys.path), str(work), f"id -u; touch {canary}/x; cat {canary}/secret"],
        capture_output=True, text=True, user=ORDINARY, group=ORDINARY, extra_groups=[], cwd="/", check=False,
        env={"PATH": "/usr/bin:/bin"},
    )  # fmt: skip
    if "No module named" in done.stderr or "Permission denied" in done.stderr:
        pytest.skip("the packages can't be read by an ordinary user here")

    assert done.returncode == 0, done.stderr
    assert "4711" in done.stdout and str(WALLS) in done.stdout and "of nobody" not in done.stdout


def _may_run(path: str) -> bool:
    try:
        done = subprocess.run(
            [path, "-c", "import psycopg, numpy"], user=ORDINARY, group=ORDINARY, extra_groups=[], cwd="/",
            capture_output=True, check=False, env={"PYTHONPATH": os.pathsep.join(sys.path)},
        )  # fmt: skip
    except OSError:
        return False
    return done.returncode == 0


@linux
@pytest.mark.servers
def test_a_killed_run_leaves_no_process_behind(tmp_path: Path) -> None:
    night = tmp_path / "night.sql"
    rows = [[str(number), "x" * 200] for number in range(60_000)]
    night.write_bytes(postgresql(copy_table("public.tide", [("id", "integer"), ("a", "text")], rows)))
    work = tmp_path / "w"
    work.mkdir(mode=0o755)
    command = [sys.executable, "-m", "sospes", "rehearse", "--side", "private", str(night)]
    child = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)

    def running() -> set[str]:
        return _homes(lambda home: home.startswith(f"{tempfile.gettempdir()}/sospes-private-"))

    before = running()
    end = time.monotonic() + 20
    while not (mine := running() - before) and time.monotonic() < end:
        time.sleep(0.05)
    time.sleep(0.3)
    child.send_signal(signal.SIGKILL)
    child.wait()
    end = time.monotonic() + 20
    while mine & running() and time.monotonic() < end:
        time.sleep(0.1)

    assert mine and not mine & running(), "the cell ends with the run that made it"
    sospes("tidy", "--drop")


def _homes(wanted: Callable[[str], bool]) -> set[str]:
    found = set()
    for path in Path("/proc").glob("[0-9]*/environ"):
        with suppress(OSError):
            for part in path.read_bytes().split(b"\0"):
                home = part.removeprefix(b"HOME=").decode("utf-8", "replace")
                if part.startswith(b"HOME=") and wanted(home):
                    found.add(home)
    return found


@linux
@pytest.mark.servers
@pytest.mark.parametrize("statement", ["DROP TABLE public.tide", "COMMENT ON TABLE public.tide IS 'x'"])
def test_an_event_trigger_of_a_backup_is_made_and_never_runs(tmp_path: Path, canary: Path, statement: str) -> None:
    night = tmp_path / "night.sql"
    hostile = (
        "CREATE FUNCTION public.sly() RETURNS event_trigger\n    LANGUAGE plpgsql\n"
        f"    AS $$BEGIN COPY (SELECT 1) TO PROGRAM 'touch {canary}/sly'; {statement}; END$$;\n\n"
        "CREATE EVENT TRIGGER sly ON ddl_command_end\n   EXECUTE FUNCTION public.sly();\n\n"
        "ALTER TABLE public.tide OWNER TO duty;\n\nGRANT SELECT ON TABLE public.tide TO PUBLIC;\n\n"
    )
    night.write_bytes(postgresql(copy_table("public.tide", [("id", "integer")], [["1"]]) + hostile.encode()))

    run = sospes("rehearse", "--side", "private", night, "--json")

    assert run.document["result"]["objects"].get("event trigger") == 1, "it was made"
    assert [table["rows"] for table in run.document["result"]["tables"]] == [1]


@linux
@pytest.mark.servers
def test_mariadb_restores_in_a_cell(tmp_path: Path, canary: Path) -> None:
    night = tmp_path / "night.sql"
    night.write_bytes(
        mysql(
            b"CREATE TABLE `tide` (\n  `id` int(11) DEFAULT NULL\n);\nINSERT INTO `tide` VALUES (1);\nDELIMITER ;;\n"
            b"CREATE TRIGGER t BEFORE INSERT ON tide FOR EACH ROW BEGIN SELECT 1 INTO OUTFILE '%s/t'; END ;;\nDELIMITER ;\n"
            % str(canary).encode()
        )
    )

    side = sospes("rehearse", "--side", "private", night, "--json").document["result"]["side"]

    assert side["engine"] == "mariadb" and side["confined"] == list(WALLS)


@linux
@pytest.mark.servers
@pytest.mark.parametrize("scarce", ["bytes", "files"])
def test_a_server_that_would_fill_the_disk_is_stopped(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch, scarce: str
) -> None:
    """A few words of a view ask for more than any disk has."""
    night = tmp_path / "night.sql"
    night.write_bytes(
        postgresql(
            b"CREATE MATERIALIZED VIEW public.m AS\n SELECT repeat(md5(g::text), 20) AS x\n   FROM generate_series("
            b"1, 1000000000) g(g)\n  WITH NO DATA;\n\n\nREFRESH MATERIALIZED VIEW public.m;\n\n\n"
        )
    )
    disk = os.statvfs(tempfile.gettempdir())
    free = disk.f_bavail * disk.f_frsize
    kept = (free - (400 << 20), 0) if scarce == "bytes" else (0, disk.f_favail + 1)
    monkeypatch.setattr(private, "kept_free", lambda _folder: kept)
    before = _homes(lambda home: home.startswith(f"{tempfile.gettempdir()}/sospes-private-"))
    how = Rehearsing(opening=Opening(work_folder=None))

    with pytest.raises(NoRoom, match="would have filled the disk"):
        rehearse_on_server([night], how, None)

    assert _homes(lambda home: home.startswith(f"{tempfile.gettempdir()}/sospes-private-")) <= before


@linux
def test_what_runs_in_a_cell_goes_first_where_memory_ends(inside: PrivatePostgresql) -> None:
    scores = []
    for path in Path("/proc").glob("[0-9]*/environ"):
        with suppress(OSError):
            if f"HOME={inside.folder}".encode() in path.read_bytes().split(b"\0"):
                scores.append((path.parent / "oom_score_adj").read_text().strip())
    assert len(scores) > 2 and set(scores) == {"1000"}

"""Throw-away servers: a temporary folder, a local socket, an unprivileged user, a random password; gone afterwards."""

from __future__ import annotations

import json
import os
import pwd
import secrets
import shutil
import signal
import subprocess
import tempfile
import time
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager, suppress
from dataclasses import dataclass
from pathlib import Path
from typing import Self

from sospes.model.entries import Engine
from sospes.model.errors import CannotCheck
from sospes.places.writing import beginning_of
from sospes.sides.servers.address import Address
from sospes.sides.servers.binaries import Binaries
from sospes.sides.servers.walls import Cells, Streams, closed_to_others, end, nobodys_number

PREFIX = "sospes-private-"
MARK = "made-by-sospes.json"
START_SECONDS = 60
STOP_SECONDS = 30
DELETE_TRIES = 50
_LONGEST_SOCKET = 90


@dataclass(frozen=True, slots=True)
class Program:
    """A command to run as the server's user, with its environment."""

    command: Sequence[str]
    text: bytes | None = None


class PrivateServer:
    """One server in a folder of its own. Use it in a `with`; subclasses know their engine."""

    engine: Engine
    users: tuple[str, ...] = ()

    def __init__(self, binaries: Binaries, work_folder: Path | None, *, walled: bool = True) -> None:
        self.binaries = binaries
        self.password = secrets.token_urlsafe(24)
        self.folder = Path(tempfile.mkdtemp(prefix=PREFIX, dir=_socket_place(work_folder)))
        self._process: subprocess.Popen[bytes] | None = None
        self._write_mark(None)
        root = os.geteuid() == 0
        self.user = (nobodys_number() if walled else _unprivileged(self.users)) if root else None
        self._own(self.folder)
        try:
            self.cells = Cells(self.folder, list(binaries.programs.values()), self.user) if walled else None
        except CannotCheck:
            _delete(self.folder)
            raise

    @property
    def walls(self) -> tuple[str, ...]:
        """What is out of its reach."""
        return self.cells.walls if self.cells is not None else ()

    def _own(self, path: Path) -> None:
        """Give a file to the user that the server runs as."""
        if self.user is not None:
            os.chown(path, self.user, self.user)

    def _write_mark(self, pid: int | None) -> None:
        """What `tidy` knows the folder by."""
        mark = {"made_by": "sospes", "pid": pid, "owner": os.getpid(), "engine": self.engine.value}
        (self.folder / MARK).write_text(json.dumps(mark))

    def started(self) -> Self:
        """The server, set up and answering; nothing is left of it if that fails."""
        try:
            self.start()
        except BaseException:
            self.remove()
            raise
        return self

    def start(self) -> None:
        """Set the server up and start it."""
        raise NotImplementedError

    def address(self, database: str) -> Address:
        """How to connect as its first user."""
        raise NotImplementedError

    def run(self, program: Program) -> None:
        """Run one of the server's programs to its end. Raises CannotCheck with what it said if it fails."""
        streams = Streams(subprocess.PIPE, subprocess.PIPE, subprocess.PIPE)
        try:
            with self._started(program.command, streams) as process:
                try:
                    _, said = process.communicate(program.text, START_SECONDS)
                except BaseException:
                    end(process)
                    raise
        except (OSError, subprocess.TimeoutExpired) as error:
            raise self._failed(program.command[0], str(error)) from error
        if process.returncode:
            raise self._failed(program.command[0], said.decode("utf-8", "replace"))

    @contextmanager
    def _started(self, command: Sequence[str], streams: Streams) -> Iterator[subprocess.Popen[bytes]]:
        """A program of the server, in a cell unless that was waived."""
        if self.cells is not None:
            with self.cells.program(command, self._environment(), streams) as process:
                yield process
            return
        yield subprocess.Popen(
            list(command), cwd="/", env=self._environment(), start_new_session=True, user=self.user, group=self.user,
            extra_groups=None if self.user is None else [], stdin=streams.taken, stdout=streams.given,
            stderr=streams.said,
        )  # fmt: skip

    def launch(self, command: Sequence[str], answers: Callable[[], bool]) -> None:
        """Start the server itself, and wait until it answers."""
        log = (self.folder / "server.log").open("ab")
        with log:
            streams = Streams(subprocess.DEVNULL, log, log)
            with self._started(command, streams) as process:
                self._process = process
        self._write_mark(self._process.pid)
        end = time.monotonic() + START_SECONDS
        while time.monotonic() < end:
            if self._process.poll() is not None:
                break
            if answers():
                return
            time.sleep(0.05)
        with suppress(OSError):
            raise self._failed(command[0], beginning_of(self.folder / "server.log").decode("utf-8", "replace"))
        raise self._failed(command[0], "it wrote no log")

    def _environment(self) -> dict[str, str]:
        return {"PATH": "/usr/bin:/bin:/usr/sbin:/sbin", "LC_ALL": "C", "TZ": "UTC", "HOME": str(self.folder)}

    def _failed(self, program: str, said: str) -> CannotCheck:
        last = " / ".join(line for line in said.strip().splitlines()[-3:] if line)
        return CannotCheck(
            f"the private server could not be started: {Path(program).name}: {last[-400:]}",
            "check space and rights of the temporary folder, or name another with --work-folder FOLDER",
        )

    def remove(self) -> None:
        """Stop the server, and what its programs may have left running, and delete its folder."""
        if self._process is not None and self._process.poll() is None:
            self._process.send_signal(_stopping(self.engine))
            try:
                self._process.wait(STOP_SECONDS)
            except subprocess.TimeoutExpired:
                self._process.kill()
                self._process.wait()
        _delete(self.folder)


def _stopping(engine: str) -> signal.Signals:
    """What makes a server stop at once."""
    return signal.SIGQUIT if engine == Engine.POSTGRESQL else signal.SIGTERM


def _delete(folder: Path) -> None:
    """End every process that works in a private server's folder, and delete the folder.

    Programs that set a server up go on for a moment after the run that started them was killed, and write into it.
    Raises CannotCheck if the folder can't be deleted.
    """
    problem: OSError | None = None
    for _ in range(DELETE_TRIES):
        for pid in _processes(folder):
            with suppress(ProcessLookupError):
                os.kill(pid, signal.SIGKILL)
        try:
            shutil.rmtree(folder)
        except FileNotFoundError:
            if not folder.exists():
                return
        except OSError as error:
            problem = error
        else:
            return
        time.sleep(0.1)
    raise CannotCheck(
        f"{folder}: can't be deleted: {problem.strerror if problem else 'files keep appearing in it'}",
        "check its owner, then run as that user: sospes tidy --drop",
    )


def _processes(folder: Path) -> Iterator[int]:
    """Processes whose home is a private server's folder, as all have that Sospes starts there.

    Empty on systems that show no process's environment as a file.
    """
    wanted = b"HOME=" + os.fsencode(folder)
    for path in Path("/proc").glob("[0-9]*/environ"):
        with suppress(OSError):
            if wanted in path.read_bytes().split(b"\0"):
                yield int(path.parent.name)


def _unprivileged(names: Sequence[str]) -> int:
    """The user to start a server without walls as when this process is root; servers refuse to run as root."""
    known = {entry.pw_name: entry.pw_uid for entry in pwd.getpwall()}
    return next((known[name] for name in (*names, "nobody") if name in known), nobodys_number())


def _socket_place(work_folder: Path | None) -> Path:
    """Where the folder goes: a socket's path must not be long, and the server's user must get there."""
    if work_folder is not None and len(str(work_folder.resolve())) < _LONGEST_SOCKET - len(PREFIX) - 30:
        return work_folder
    place = Path(tempfile.gettempdir())
    return _COMMON if closed_to_others(place) is not None and closed_to_others(_COMMON) is None else place


_COMMON = Path("/tmp")


@dataclass(frozen=True, slots=True, kw_only=True)
class Leftover:
    """A private server's folder that nobody uses any more, or still uses."""

    folder: Path
    engine: str
    bytes: int
    running: bool
    in_use: bool


def leftovers(places: Sequence[Path]) -> Iterator[Leftover]:
    """Folders of private servers with Sospes's own mark; `in_use` where the run that made them still goes on."""
    for place in places:
        for folder in sorted(place.glob(f"{PREFIX}*")):
            mark = _mark(folder)
            if mark is None:
                continue
            size = sum(map(_size, folder.rglob("*")))
            yield Leftover(
                folder=folder,
                engine=str(mark["engine"]),
                bytes=size,
                running=_alive(mark.get("pid")),
                in_use=_alive(mark.get("owner")),
            )


def _size(path: Path) -> int:
    """A file's size in bytes; none for what is gone by now, or is no file."""
    try:
        return path.stat().st_size if path.is_file() else 0
    except OSError:
        return 0


def drop_leftover(leftover: Leftover) -> None:
    """Stop what runs in a left folder, and delete it. Raises CannotCheck if it no longer carries the mark."""
    mark = _mark(leftover.folder)
    if mark is None:
        raise CannotCheck(f"{leftover.folder}: carries no mark of Sospes", "nothing was deleted; look at it yourself")
    pid = mark.get("pid")
    if isinstance(pid, int) and _alive(pid) and _runs_in(pid, leftover.folder):
        os.kill(pid, _stopping(str(mark["engine"])))
        for _ in range(STOP_SECONDS * 10):
            if not _alive(pid):
                break
            time.sleep(0.1)
    _delete(leftover.folder)


def _mark(folder: Path) -> dict[str, object] | None:
    with suppress(OSError, ValueError):
        mark = json.loads(beginning_of(folder / MARK))
        if isinstance(mark, dict) and mark.get("made_by") == "sospes":
            return mark
    return None


def _alive(pid: object) -> bool:
    if not isinstance(pid, int):
        return False
    try:
        os.kill(pid, 0)
    except ProcessLookupError:
        return False
    except PermissionError:
        return True
    with suppress(OSError):
        return ") Z " not in Path(f"/proc/{pid}/stat").read_text()
    return True


def _runs_in(pid: int, folder: Path) -> bool:
    """Whether a process is the folder's own server: its number may have gone to another one since."""
    try:
        return str(folder).encode() in Path(f"/proc/{pid}/cmdline").read_bytes()
    except OSError:
        return False

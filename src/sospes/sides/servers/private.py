"""Throw-away servers: a temporary folder, a local socket, an unprivileged user, a random password; gone afterwards."""

from __future__ import annotations

import os
import pwd
import secrets
import shutil
import signal
import subprocess
import tempfile
import threading
import time
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager, suppress
from dataclasses import dataclass
from pathlib import Path
from typing import Self

import psutil

from sospes.model.entries import Engine
from sospes.model.errors import CannotCheck, NoRoom
from sospes.places.own import alive, is_in_use, mark_of, size_of, write_mark
from sospes.places.writing import beginning_of
from sospes.sides.servers.address import Address
from sospes.sides.servers.binaries import Binaries
from sospes.sides.servers.walls import Cells, Streams, closed_to_others, end, nobodys_number

PREFIX = "sospes-private-"
START_SECONDS = 60
STOP_SECONDS = 30
DELETE_TRIES = 50
WATCH_SECONDS = 0.25
_KEPT_BYTES = 1 << 30
_LONGEST_SOCKET = 90


@dataclass(frozen=True, slots=True)
class Program:
    """A command to run as the server's user, with its environment."""

    command: Sequence[str]
    text: bytes | None = None


class PrivateServer:
    """One server in a folder of its own; subclasses know their engine.

    stop_signal  what makes it stop at once
    stopped      why the server was stopped, where it would have taken the last of the disk
    """

    engine: Engine
    users: tuple[str, ...] = ()
    stop_signal = signal.SIGTERM

    def __init__(self, binaries: Binaries, work_folder: Path | None, *, walled: bool = True) -> None:
        self.binaries = binaries
        self.password = secrets.token_urlsafe(24)
        self.folder = Path(tempfile.mkdtemp(prefix=PREFIX, dir=_socket_place(work_folder)))
        self._process: subprocess.Popen[bytes] | None = None
        self._ended = threading.Event()
        self.stopped: NoRoom | None = None
        # Before anything else: a run that is killed from here on leaves a folder that tidy knows.
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
        write_mark(self.folder, pid=pid, engine=self.engine.value, stop=int(self.stop_signal))

    def started(self) -> Self:
        """The server, set up and answering; nothing is left of it if that fails."""
        try:
            self.start()
        except BaseException:
            self.remove()
            raise
        return self

    @contextmanager
    def given_up(self) -> Iterator[None]:
        """What is first done with the server: if it fails, nothing is left of it, and why it was stopped is told."""
        try:
            yield
        except BaseException as error:
            self.remove()
            if self.stopped is not None and isinstance(error, Exception):
                raise self.stopped from error
            raise

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

    def launch(
        self, command: Sequence[str], answers: Callable[[], bool], seconds: float | None = START_SECONDS
    ) -> None:
        """Start the server itself, and wait until it answers, for so long at most; None waits while it runs."""
        log = (self.folder / "server.log").open("ab")
        with log:
            streams = Streams(subprocess.DEVNULL, log, log)
            with self._started(command, streams) as process:
                self._process = process
        self._write_mark(self._process.pid)
        threading.Thread(target=self._watch, args=(self._process,), daemon=True).start()
        begin = time.monotonic()
        while seconds is None or time.monotonic() < begin + seconds:
            if self._process.poll() is not None:
                break
            if answers():
                return
            time.sleep(0.05)
        with suppress(OSError):
            raise self._failed(command[0], beginning_of(self.folder / "server.log").decode("utf-8", "replace"))
        raise self._failed(command[0], "it wrote no log")

    def _watch(self, process: subprocess.Popen[bytes]) -> None:
        """Stop the server where it would take the last of a disk that others write to as well."""
        kept = kept_free(self.folder)
        while not self._ended.wait(WATCH_SECONDS) and process.poll() is None:
            try:
                left = _free(self.folder)
            except OSError:
                return  # it is being removed
            if any(now < least for now, least in zip(left, kept, strict=True)):
                self.stopped = NoRoom(
                    f"{self.folder}: the private server was stopped, as it would have filled the disk: "
                    f"{left[0] >> 20:,} MiB and {left[1]:,} files were left",
                    "a backup may ask for much more than it holds: look at its views, defaults and functions, or name "
                    "a folder with more space with --work-folder FOLDER",
                )
                process.kill()
                return

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
        self._ended.set()
        if self._process is not None and self._process.poll() is None:
            self._process.send_signal(self.stop_signal)
            try:
                self._process.wait(STOP_SECONDS)
            except subprocess.TimeoutExpired:
                self._process.kill()
                self._process.wait()
        _delete(self.folder)


def kept_free(folder: Path) -> tuple[int, int]:
    """Bytes and files that a private server leaves free on its disk: little, of what is free when it starts."""
    size, files = _free(folder)
    return min(_KEPT_BYTES, size // 10), files // 10 if files else 0


def _free(folder: Path) -> tuple[int, int]:
    """Bytes and files that fit on a folder's disk; no files where a file system doesn't count them."""
    disk = os.statvfs(folder)
    return disk.f_bavail * disk.f_frsize, disk.f_favail


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

    Those whose environment this user may not see are none of ours.
    """
    for process in psutil.process_iter():
        with suppress(psutil.Error, OSError):
            if process.environ().get("HOME") == str(folder):
                yield process.pid


def _unprivileged(names: Sequence[str]) -> int:
    """The user to start a server without walls as when this process is root; servers refuse to run as root."""
    known = {entry.pw_name: entry.pw_uid for entry in pwd.getpwall()}
    return next((known[name] for name in (*names, "nobody") if name in known), nobodys_number())


def kept_owner(names: Sequence[str]) -> tuple[int, int]:
    """User and group who get what a private server leaves: who runs this, but no server runs as root."""
    if os.getuid() != 0:
        return os.getuid(), os.getgid()
    known = {entry.pw_name: (entry.pw_uid, entry.pw_gid) for entry in pwd.getpwall()}
    return next((known[name] for name in names if name in known), (0, 0))


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
            mark = mark_of(folder)
            if mark is None:
                continue
            yield Leftover(
                folder=folder,
                engine=str(mark["engine"]),
                bytes=size_of(folder),
                running=alive(mark.get("pid")),
                in_use=is_in_use(mark),
            )


def drop_leftover(leftover: Leftover) -> None:
    """Stop what runs in a left folder, and delete it. Raises CannotCheck if it no longer carries the mark."""
    mark = mark_of(leftover.folder)
    if mark is None:
        raise CannotCheck(f"{leftover.folder}: carries no mark of Sospes", "nothing was deleted; look at it yourself")
    pid = mark.get("pid")
    if isinstance(pid, int) and alive(pid) and _runs_in(pid, leftover.folder):
        os.kill(pid, signal.Signals(int(str(mark.get("stop", int(signal.SIGTERM))))))
        for _ in range(STOP_SECONDS * 10):
            if not alive(pid):
                break
            time.sleep(0.1)
    _delete(leftover.folder)


def _runs_in(pid: int, folder: Path) -> bool:
    """Whether a process is the folder's own server: its number may have gone to another one since."""
    try:
        return any(str(folder) in word for word in psutil.Process(pid).cmdline())
    except psutil.Error:
        return False

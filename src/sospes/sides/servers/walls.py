"""Starts programs of a private server in cells (`cell.py`), and holds what is shut there against what has to be.

Four things have to be out of reach: other files, other sockets, the network, other processes. Whether they are is
tried from inside, with canaries that are there outside.
"""

from __future__ import annotations

import json
import os
import pwd
import re
import resource
import secrets
import selectors
import socket
import subprocess
import sys
from collections.abc import Iterator, Mapping, Sequence
from contextlib import ExitStack, contextmanager, suppress
from dataclasses import dataclass, field
from pathlib import Path
from typing import IO, Any

import psutil

from sospes.model.errors import CannotCheck
from sospes.places.own import work_folder

WALLS = ("files", "sockets", "network", "processes")
"""What has to be out of a private server's reach."""

REPORT_SECONDS = 30
_CELL = Path(__file__).with_name("cell.py")
_NUMBERS = range(62_000, 65_000)
"""Numbers of users that no system gives to anybody, and that containers know."""

_MORE_SHOWN = ("/etc/alternatives", "/var/cache/postgresql/dicts")
_MOST_PROCESSES = 512
_COUNTED_APART = (5, 14)
"""The kernel from which on processes are counted for each user name space; before, all of the user's are."""
_LONGEST_FILE = 256 << 30
_SHARED = ("/usr", "/bin", "/sbin", "/lib", "/lib32", "/lib64")


def nobodys_number() -> int:
    """The number of a user that nobody is and that owns nothing that runs."""
    taken = {entry.pw_uid for entry in pwd.getpwall()}
    for process in psutil.process_iter():
        with suppress(psutil.Error):  # it ended
            taken.update(process.uids())
    return secrets.choice([number for number in _NUMBERS if number not in taken])


@dataclass(frozen=True, slots=True)
class Streams:
    """What a program reads, and where it writes its output and its messages."""

    taken: int
    given: int | IO[bytes]
    said: int | IO[bytes]


def closed_to_others(folder: Path) -> Path | None:
    """The first folder on the way that lets only its owner in; None if anybody gets there."""
    whole = folder.resolve()
    return next((part for part in (whole, *whole.parents) if not part.stat().st_mode & 0o001), None)


@dataclass(slots=True)
class Cells:
    """The cells of one private server.

    folder  the one folder that its programs may write in
    user    the number of the user that they run as, when Sospes is root; None for Sospes's own
    closed  which walls stand, and what was put on top, once a program was started
    """

    folder: Path
    programs: Sequence[Path]
    user: int | None
    walls: tuple[str, ...] = ()
    on_top: tuple[str, ...] = ()
    _root: Path = field(init=False)

    def __post_init__(self) -> None:
        """Make the place where the root of its programs will be. Raises CannotCheck where they would not get in."""
        if self.user is not None and (closed := closed_to_others(self.folder.parent)) is not None:
            raise CannotCheck(
                f"{closed}: nobody but its owner gets in, and private servers don't run as root",
                "name another place with --work-folder FOLDER",
            )
        self._root = self.folder / "cell"
        self._root.mkdir(mode=0o700)
        if self.user is not None:
            os.chown(self._root, self.user, self.user)

    @contextmanager
    def program(
        self, command: Sequence[str], environment: Mapping[str, str], streams: Streams
    ) -> Iterator[subprocess.Popen[bytes]]:
        """A program that was started in a cell, once its walls are known to stand.

        Raises CannotCheck if one doesn't.
        """
        if sys.platform != "linux":
            raise _open_to("this system", ["name spaces, which Linux has"])
        with ExitStack() as stack:
            probes = _canaries(stack)
            read, write = os.pipe()
            stack.callback(os.close, read)
            spec = {
                "parent": os.getpid(), "user": self.user, "root": str(self._root), "work": str(self.folder),
                "shown": self._shown(), "limits": _limits(), "probes": probes, "command": list(command),
                "environment": dict(environment),
            }  # fmt: skip
            words = [sys.executable, "-I", "-S", "-B", str(_CELL), str(write), json.dumps(spec)]
            try:
                process = subprocess.Popen(
                    words, pass_fds=(write,), cwd="/", env=dict(environment), start_new_session=True,
                    stdin=streams.taken, stdout=streams.given, stderr=streams.said,
                )  # fmt: skip
            finally:
                os.close(write)
            try:
                self._take(_reported(read))
            except BaseException:
                end(process)
                raise
        yield process

    def _take(self, report: dict[str, Any]) -> None:
        """Hold what stands against what has to."""
        if "problem" in report:
            raise _open_to("this machine", [str(report["problem"])])
        self.walls, self.on_top = tuple(report["shut"]), tuple(report["on_top"])
        missing = [wall for wall in WALLS if wall not in self.walls]
        if missing:
            raise _open_to("a private server here", [f"other {', '.join(missing)} can be reached"])

    def _shown(self) -> list[str]:
        """Folders that its programs need besides the system's own."""
        own = {str(program.resolve().parent.parent) for program in self.programs}
        elsewhere = sorted(path for path in own if path != "/" and not path.startswith(_SHARED))
        return [*elsewhere, *(path for path in _MORE_SHOWN if Path(path).is_dir())]


def end(process: subprocess.Popen[bytes]) -> None:
    """End a process at once, and close what led to it."""
    process.kill()
    process.wait()
    for stream in (process.stdin, process.stdout, process.stderr):
        if stream is not None:
            stream.close()


def _open_to(what: str, reasons: Sequence[str]) -> CannotCheck:
    return CannotCheck(
        f"{what} can't be walled off: {'; '.join(reasons)}",
        "a backup's code could reach beyond its server: docs/security.md says what each system needs; --unconfined "
        "goes on without walls, for backups that you trust",
    )


def _limits() -> dict[str, int]:
    """What a single run may use: processes, address space, size of a file, and no core dumps."""
    memory = os.sysconf("SC_PAGE_SIZE") * os.sysconf("SC_PHYS_PAGES")
    limits = {
        "RLIMIT_CORE": 0, "RLIMIT_AS": max(memory, 8 << 30), "RLIMIT_FSIZE": _LONGEST_FILE,
        "RLIMIT_NOFILE": min(8192, resource.getrlimit(resource.RLIMIT_NOFILE)[1]),
    }  # fmt: skip
    number = re.match(r"(\d+)\.(\d+)", os.uname().release)
    if number is not None and (int(number[1]), int(number[2])) >= _COUNTED_APART:
        limits["RLIMIT_NPROC"] = _MOST_PROCESSES
    return limits


def _reported(read: int) -> dict[str, Any]:
    """What a cell says of itself."""
    said = b""
    with selectors.DefaultSelector() as waiting:
        waiting.register(read, selectors.EVENT_READ)
        while waiting.select(REPORT_SECONDS):
            part = os.read(read, 1 << 16)
            if not part:
                break
            said += part
    try:
        report: dict[str, Any] = json.loads(said)
    except ValueError:
        return {"problem": "the cell ended without a word"}
    return report


def _canaries(stack: ExitStack) -> dict[str, Any]:
    """A file, sockets and a listener that are there outside, for the cell to look for."""
    folder = stack.enter_context(work_folder(None))
    folder.chmod(0o777)
    file = folder / "file"
    file.write_text("a program in a cell must not see this")
    file.chmod(0o666)
    named, abstract = (stack.enter_context(socket.socket(socket.AF_UNIX, socket.SOCK_STREAM)) for _ in range(2))
    named.bind(str(folder / "socket"))
    (folder / "socket").chmod(0o777)
    secret = f"sospes-{secrets.token_hex(8)}"
    abstract.bind(b"\0" + secret.encode())
    listener = stack.enter_context(socket.socket(socket.AF_INET, socket.SOCK_STREAM))
    listener.bind(("127.0.0.1", 0))
    for one in (named, abstract, listener):
        one.listen()
    return {
        "file": str(file), "socket": str(folder / "socket"), "abstract": secret, "pid": os.getpid(),
        "port": listener.getsockname()[1], "interfaces": [name for _, name in socket.if_nameindex()],
    }  # fmt: skip

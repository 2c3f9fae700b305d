"""A cell: runs one program of a private server where it can reach nothing but its own folder.

This file is run by itself, as a program of its own, before the server's: it takes a view of the machine away, then
becomes the server. It knows nothing of the rest of Sospes and imports the standard library only.

What it does, on Linux: a user, mount, process, network, IPC and host name space of its own; a root made of read-only
binds of what a server needs, a few devices, an empty `/tmp` and `/dev/shm`, and the one folder to write in, without
programs; a second user space without any rights; no new privileges; Landlock and a filter of system calls; limits.
Then it tries what must fail and says what did.

Sources: Linux manual pages, user_namespaces(7), mount_namespaces(7), pid_namespaces(7), pivot_root(2), landlock(7),
seccomp(2), capabilities(7).
"""

from __future__ import annotations

import ctypes
import errno
import json
import os
import platform
import resource
import signal
import socket
import struct
import sys
from collections.abc import Iterator, Sequence
from contextlib import suppress
from pathlib import Path
from typing import Any

KEEPER = 4711
"""The user that a program in a cell takes itself for; in no other place is anybody called so."""

FAILED = 125
"""Exit code of a cell that could not be closed; the report says why."""

_NEWNS, _NEWUTS, _NEWIPC = 0x00020000, 0x04000000, 0x08000000
_NEWUSER, _NEWPID, _NEWNET = 0x10000000, 0x20000000, 0x40000000
_MS_RDONLY, _MS_NOSUID, _MS_NODEV, _MS_NOEXEC, _MS_REMOUNT = 1, 2, 4, 8, 32
_MS_BIND, _MS_REC, _MS_PRIVATE = 4096, 16384, 1 << 18
_MNT_DETACH = 2
_KEPT_FLAGS = {1024: 1024, 2048: 2048, 4096: 1 << 21, 2: _MS_NOSUID, 4: _MS_NODEV, 8: _MS_NOEXEC}
"""Flags of a mounted place, as statvfs tells them, that a bind of it has to keep: access times, what is forbidden."""
_PDEATHSIG, _DUMPABLE, _NO_NEW_PRIVS, _SECCOMP, _CAPBSET_DROP = 1, 4, 38, 22, 24
_LIBC = ctypes.CDLL(None, use_errno=True)

_ARCHITECTURES: dict[str, tuple[int, dict[str, int]]] = {
    "x86_64": (
        0xC000003E,
        {
            "socket": 41, "clone": 56, "ptrace": 101, "pivot_root": 155, "chroot": 161, "acct": 163, "mount": 165,
            "umount2": 166, "swapon": 167, "swapoff": 168, "reboot": 169, "init_module": 175, "delete_module": 176,
            "kexec_load": 246, "add_key": 248, "request_key": 249, "keyctl": 250, "unshare": 272,
            "move_pages": 279, "perf_event_open": 298, "name_to_handle_at": 303, "open_by_handle_at": 304, "setns": 308,
            "process_vm_readv": 310, "process_vm_writev": 311, "finit_module": 313, "kexec_file_load": 320, "bpf": 321,
            "userfaultfd": 323, "io_uring_setup": 425, "open_tree": 428, "move_mount": 429, "fsopen": 430,
            "fsmount": 432, "clone3": 435, "mount_setattr": 442,
        },
    ),
    "aarch64": (
        0xC00000B7,
        {
            "umount2": 39, "mount": 40, "pivot_root": 41, "chroot": 51, "acct": 89, "unshare": 97, "kexec_load": 104,
            "init_module": 105, "delete_module": 106, "ptrace": 117, "reboot": 142, "socket": 198, "add_key": 217,
            "request_key": 218, "keyctl": 219, "clone": 220, "swapon": 224, "swapoff": 225, "move_pages": 239,
            "perf_event_open": 241, "name_to_handle_at": 264, "open_by_handle_at": 265, "setns": 268,
            "process_vm_readv": 270, "process_vm_writev": 271, "finit_module": 273, "bpf": 280, "userfaultfd": 282,
            "kexec_file_load": 294, "io_uring_setup": 425, "open_tree": 428, "move_mount": 429, "fsopen": 430,
            "fsmount": 432, "clone3": 435, "mount_setattr": 442,
        },
    ),
}  # fmt: skip
_UNKNOWN_THEN = frozenset({"clone3", "io_uring_setup"})
"""Calls that programs do without where a kernel has none."""
_FAMILIES = (socket.AF_UNIX, socket.AF_INET, socket.AF_INET6, socket.AF_NETLINK)
_LANDLOCK_CREATE, _LANDLOCK_RULE, _LANDLOCK_SELF = 444, 445, 446
_LANDLOCK_WRITES = 0b1_1111_1111_0010
"""Landlock's rights to write, remove, make and execute nothing: all of its first version but reading and executing."""


class CannotClose(Exception):
    """The cell can't be closed here; why."""


def _check(result: int, what: str) -> int:
    """The result of a system call. Raises CannotClose with what the system says if it failed."""
    if result < 0:
        number = ctypes.get_errno()
        raise CannotClose(f"{what}: {os.strerror(number)}")
    return result


def _mount(source: str, target: str, kind: str | None, flags: int, data: str | None = None) -> None:
    """Mount something, or change how it is mounted."""
    encoded = (os.fsencode(source), os.fsencode(target), kind.encode() if kind else None)
    _check(_LIBC.mount(*encoded, ctypes.c_ulong(flags), data.encode() if data else None), f"mount {target}")


def _unshare(flags: int, user: int, group: int) -> None:
    """Enter new spaces, as `user` and `group` of a new user space."""
    # The numbers outside have to be asked before: inside of the new space nobody has a number yet.
    outer = os.geteuid(), os.getegid()
    _check(_LIBC.unshare(flags), "new spaces of its own (user namespaces)")
    for name, text in (
        # An unprivileged user may map its own number only, and its group only once groups can't be changed any more.
        ("setgroups", "deny"), ("uid_map", f"{user} {outer[0]} 1"), ("gid_map", f"{group} {outer[1]} 1"),
    ):  # fmt: skip
        try:
            Path("/proc/self", name).write_text(text)
        except OSError as error:
            raise CannotClose(f"/proc/self/{name}: {error.strerror}") from error


def _bind(source: str, target: str, flags: int, *, whole: bool = False) -> None:
    """Show `source` at `target`, with these flags and those that it has already."""
    _mount(source, target, None, _MS_BIND | (_MS_REC if whole else 0))
    # In a user space flags that a mount has already (nosuid of /home, say) can't be taken away: leaving one out
    # would be refused.
    kept = sum(flag for told, flag in _KEPT_FLAGS.items() if os.statvfs(target).f_flag & told)
    _mount("none", target, None, _MS_BIND | _MS_REMOUNT | kept | flags)


def _own_memory(root: str, name: str, size: str) -> None:
    """A folder of the new root that is its own, in memory."""
    Path(root, name).mkdir()
    _mount("none", f"{root}/{name}", "tmpfs", _MS_NOSUID | _MS_NODEV | _MS_NOEXEC, f"size={size},mode=1777")


def _build_root(root: str, work: str, shown: Sequence[str]) -> None:
    """Make a root of what a server needs, and go there."""
    # Else what is mounted here would show up outside as well.
    _mount("none", "/", None, _MS_REC | _MS_PRIVATE)
    _mount("none", root, "tmpfs", _MS_NOSUID | _MS_NODEV, "size=16m,mode=755")
    _own_memory(root, "tmp", "256m")  # first, as what is shown may lie below it
    readonly = _MS_RDONLY | _MS_NOSUID | _MS_NODEV
    for name in ("usr", "bin", "sbin", "lib", "lib32", "lib64", *(path.lstrip("/") for path in shown)):
        source, target = Path("/", name), Path(root, name)
        # Where /bin is a link to usr/bin, the same link does, and programs find themselves under either name.
        if source.is_symlink() and "/" not in name:
            target.symlink_to(source.readlink())
        elif source.is_dir() and not target.exists():
            target.mkdir(parents=True)
            _bind(str(source), str(target), readonly, whole=True)
    etc = Path(root, "etc")
    etc.mkdir(exist_ok=True)
    # A passwd file of its own: initdb wants a user that has a name, and this one is nobody else's.
    (etc / "passwd").write_text(f"root:x:0:0::/:/bin/false\nkeeper:x:{KEEPER}:{KEEPER}::{work}:/bin/false\n")
    (etc / "group").write_text(f"root:x:0:\nkeeper:x:{KEEPER}:\n")
    (etc / "hosts").write_text("127.0.0.1 localhost\n")
    (etc / "nsswitch.conf").write_text("passwd: files\ngroup: files\nhosts: files\n")
    for name in ("etc/ld.so.cache", "etc/localtime", "etc/locale.alias", "etc/timezone"):
        if Path("/", name).is_file():
            Path(root, name).touch()
            _bind(f"/{name}", f"{root}/{name}", readonly)
    dev = Path(root, "dev")
    dev.mkdir()
    for name in ("null", "zero", "urandom", "random"):
        (dev / name).touch()
        _bind(f"/dev/{name}", str(dev / name), _MS_NOSUID | _MS_NOEXEC)
    _own_memory(root, "dev/shm", "1g")
    Path(root, work.lstrip("/")).mkdir(parents=True, exist_ok=True)
    _bind(work, root + work, _MS_NOSUID | _MS_NODEV | _MS_NOEXEC)
    Path(root, "proc").mkdir()
    with suppress(CannotClose):  # a container may forbid it: no view of processes is as good as one of its own only
        _mount("none", f"{root}/proc", "proc", _MS_NOSUID | _MS_NODEV | _MS_NOEXEC)
    old = Path(root, "old")
    old.mkdir()
    # chroot could be left again by a process with rights in its user space; a root that is gone can't be come back to.
    _check(_LIBC.syscall(_pivot(), os.fsencode(root), os.fsencode(str(old))), "pivot_root")
    os.chdir("/")
    _check(_LIBC.umount2(b"/old", _MNT_DETACH), "leaving the old root")
    Path("/old").rmdir()
    _mount("none", "/", None, _MS_BIND | _MS_REMOUNT | _MS_NOSUID | _MS_NODEV | _MS_RDONLY)


def _pivot() -> int:
    """The number of the call that changes the root. Raises CannotClose where nobody knows it."""
    known = _ARCHITECTURES.get(platform.machine())
    if known is None:
        raise CannotClose(f"no cell is known for the architecture {platform.machine()}")
    return known[1]["pivot_root"]


def _limit(limits: dict[str, int]) -> None:
    """Set limits that count from here on; none can be raised again."""
    for name, most in limits.items():
        which = getattr(resource, name)
        _, hard = resource.getrlimit(which)
        least = most if hard == resource.RLIM_INFINITY else min(most, hard)
        resource.setrlimit(which, (least, least))


def _become(user: int | None) -> None:
    """From root, become a user and a group that own nothing and are nobody else's."""
    if user is None:
        return
    os.setgroups([])
    os.setresgid(user, user, user)
    os.setresuid(user, user, user)
    _LIBC.prctl(_DUMPABLE, 1, 0, 0, 0)  # else its own entries in /proc stay root's


def _drop_rights() -> None:
    """Nothing that is run from here on can gain a right."""
    for right in range(64):
        # The kernel has fewer rights than numbers: the first that it doesn't know ends the loop.
        if _LIBC.prctl(_CAPBSET_DROP, right, 0, 0, 0) < 0:
            break
    _check(_LIBC.prctl(_NO_NEW_PRIVS, 1, 0, 0, 0), "no new privileges")


def _landlock(writable: Sequence[str]) -> bool:
    """Let files be written in some folders only; False where the kernel has no Landlock."""
    # Asked without rules, the call tells which version the kernel has.
    version = _LIBC.syscall(_LANDLOCK_CREATE, None, ctypes.c_size_t(0), ctypes.c_uint(1))
    if version < 1:
        return False
    attribute = struct.pack("<Q", _LANDLOCK_WRITES)
    rules = _LIBC.syscall(_LANDLOCK_CREATE, attribute, ctypes.c_size_t(len(attribute)), ctypes.c_uint(0))
    if rules < 0:
        return False
    for folder in writable:
        place = os.open(folder, os.O_PATH | os.O_CLOEXEC)
        rule = struct.pack("<Qi", _LANDLOCK_WRITES, place)
        _check(_LIBC.syscall(_LANDLOCK_RULE, rules, 1, rule, ctypes.c_uint(0)), "Landlock")
        os.close(place)
    _check(_LIBC.syscall(_LANDLOCK_SELF, rules, ctypes.c_uint(0)), "Landlock")
    os.close(rules)
    return True


def _filter() -> bytes:
    """A filter that refuses calls by which a program could leave its spaces, or which no server needs."""
    audit, numbers = _ARCHITECTURES[platform.machine()]
    allow, kill = 0x7FFF0000, 0x80000000

    def refuse(number: int) -> int:
        return 0x00050000 | number

    lines: list[tuple[int, int, int, int]] = []

    def load(offset: int) -> None:
        lines.append((0x20, 0, 0, offset))

    def answer(value: int) -> None:
        lines.append((0x06, 0, 0, value))

    # A classic packet filter over the call's number, architecture and arguments (Linux, seccomp(2)): offset 4 is the
    # architecture, 0 the number, 16 the first argument; 0x15 jumps if equal, 0x35 if not less, 0x45 if a bit is set.
    load(4)
    lines.append((0x15, 1, 0, audit))
    answer(kill)
    load(0)
    if platform.machine() == "x86_64":  # the other numbering of the same calls
        lines.append((0x35, 0, 1, 0x40000000))
        answer(refuse(errno.ENOSYS))
    for name, number in numbers.items():
        if name == "socket":
            lines.append((0x15, 0, 3 + len(_FAMILIES), number))
            load(16)
            for index, family in enumerate(_FAMILIES):
                lines.append((0x15, len(_FAMILIES) - index, 0, int(family)))
            answer(refuse(errno.EAFNOSUPPORT))
            answer(allow)
        elif name == "clone":
            lines.append((0x15, 0, 4, number))
            load(16)
            lines.append((0x45, 0, 1, _NEWUSER | _NEWNS | _NEWPID | _NEWNET | _NEWIPC | _NEWUTS))
            answer(refuse(errno.EPERM))
            answer(allow)
        else:
            lines.append((0x15, 0, 1, number))
            answer(refuse(errno.ENOSYS if name in _UNKNOWN_THEN else errno.EPERM))
    answer(allow)
    return b"".join(struct.pack("<HBBI", *line) for line in lines)


def _seccomp() -> bool:
    """Put the filter in force; False where the kernel has none."""
    program = ctypes.create_string_buffer(_filter())
    head = struct.pack("@HP", (len(program) - 1) // 8, ctypes.addressof(program))
    return bool(_LIBC.prctl(_SECCOMP, 2, head, 0, 0) == 0)


def _refused(action: Any, *arguments: Any) -> bool:
    """Whether the system refuses an action, as a wall has to."""
    try:
        found = action(*arguments)
    except OSError:
        return True
    if isinstance(found, int) and found > 2:
        os.close(found)
    return False


def _shut(probes: dict[str, Any]) -> Iterator[str]:
    """What can't be reached: tried, not assumed."""
    writes = os.O_WRONLY | os.O_CREAT
    outside = [_refused(os.open, probes["file"], os.O_RDONLY), _refused(os.open, probes["file"] + "x", writes)]
    system = [_refused(os.open, f"{folder}/sospes-canary", writes) for folder in ("/", "/usr", "/etc", "/dev")]
    if all((*outside, *system, _refused(os.listdir, "/root"), _refused(os.open, "/etc/shadow", os.O_RDONLY))):
        yield "files"
    named, abstract = (socket.socket(socket.AF_UNIX, socket.SOCK_STREAM) for _ in range(2))
    with named, abstract:
        if _refused(named.connect, probes["socket"]) and _refused(
            abstract.connect, b"\0" + probes["abstract"].encode()
        ):
            yield "sockets"
    with (
        socket.socket(socket.AF_INET, socket.SOCK_STREAM) as loop,
        socket.socket(socket.AF_INET, socket.SOCK_STREAM) as far,
    ):
        loop.settimeout(1)
        far.settimeout(1)
        known = {name for _, name in socket.if_nameindex()} - {
            "lo",
            "sit0",
            "tunl0",
            "ip6tnl0",
            "gre0",
            "gretap0",
            "erspan0",
        }
        closed = _refused(loop.connect, ("127.0.0.1", probes["port"])) and _refused(far.connect, ("192.0.2.1", 9))
        if closed and not known & set(probes["interfaces"]):
            yield "network"
    seen = [int(name) for name in _names("/proc") if name.isdigit()]
    if _refused(os.kill, probes["pid"], 0) and len(seen) < 20:
        yield "processes"


def _names(folder: str) -> list[str]:
    """What is in a folder; nothing where nobody may look."""
    try:
        return [path.name for path in Path(folder).iterdir()]
    except OSError:
        return []


def _keep(child: int) -> int:
    """Wait for a child, handing signals on to it and burying whoever dies; its exit code."""
    for number in (signal.SIGTERM, signal.SIGINT, signal.SIGQUIT, signal.SIGHUP, signal.SIGUSR1):
        signal.signal(number, lambda which, _frame: _hand_on(child, which))
    while True:
        try:
            dead, status = os.waitpid(-1, 0)
        except ChildProcessError:
            return FAILED
        if dead == child:
            return os.waitstatus_to_exitcode(status) & 0xFF


def _hand_on(child: int, number: int) -> None:
    """Pass a signal on to the program."""
    with suppress(ProcessLookupError):
        os.kill(child, number)


def _inside(spec: dict[str, Any], report: int) -> None:
    """The last steps, in the innermost space; becomes the program."""
    _unshare(_NEWUSER, KEEPER, KEEPER)
    _LIBC.prctl(_PDEATHSIG, signal.SIGKILL, 0, 0, 0)
    _drop_rights()
    _limit(spec["limits"])
    on_top = ["landlock"] if _landlock([spec["work"], "/tmp", "/dev"]) else []
    shut = list(_shut(spec["probes"]))
    if _seccomp():
        on_top.append("system calls")
    os.write(report, json.dumps({"shut": shut, "on_top": on_top}).encode())
    os.close(report)
    os.execve(spec["command"][0], spec["command"], spec["environment"])


def main() -> int:
    """Close the cell that the second argument describes, and run its program there."""
    report = int(sys.argv[1])
    spec: dict[str, Any] = json.loads(sys.argv[2])
    _LIBC.prctl(_PDEATHSIG, signal.SIGKILL, 0, 0, 0)
    if os.getppid() != spec["parent"]:
        return FAILED  # it ended before anybody could tell
    with suppress(OSError):
        Path("/proc/self/oom_score_adj").write_text("1000")  # where memory ends, what runs here goes first
    try:
        _become(spec["user"])
        _unshare(_NEWUSER | _NEWNS | _NEWPID | _NEWNET | _NEWIPC | _NEWUTS, 0, 0)
        _LIBC.prctl(_PDEATHSIG, signal.SIGKILL, 0, 0, 0)
        if os.getppid() != spec["parent"]:
            return FAILED  # it ended before anybody could tell
    except (CannotClose, OSError) as error:
        os.write(report, json.dumps({"problem": str(error)}).encode())
        return FAILED
    first = os.fork()
    if first:
        os.close(report)
        return _keep(first)
    try:
        _LIBC.prctl(_PDEATHSIG, signal.SIGKILL, 0, 0, 0)
        _build_root(spec["root"], spec["work"], spec["shown"])
        second = os.fork()
        if second:
            os.close(report)
            os._exit(_keep(second))
        _inside(spec, report)
    except (CannotClose, OSError) as error:
        with suppress(OSError):
            os.write(report, json.dumps({"problem": str(error)}).encode())
    os._exit(FAILED)


if __name__ == "__main__":
    raise SystemExit(main())

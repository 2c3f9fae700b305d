"""The files of a base backup, wherever they lie: in a folder as the server has them, or in tars, packed or not."""

from __future__ import annotations

import io
import os
import re
import tarfile
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import IO, Protocol

from sospes.model.errors import CannotCheck
from sospes.model.findings import Finding, Place, doubt, fault
from sospes.places.local import local_files
from sospes.places.source import READ_SIZE, Source
from sospes.places.streamed import Streamed
from sospes.stream.containers import Block
from sospes.stream.passing import PassedBytes
from sospes.stream.plain import PlainText

_TABLESPACE = re.compile(r"\d+")
_SEGMENT = re.compile(r"[0-9A-F]{24}")
_HEAD_BYTES = 4 << 20
_MOST_LOOKED_THROUGH = 64 << 20
"""Bytes of a tar that is looked through for the log that it may hold."""

_COPY = "take the backup from another copy"


@dataclass(frozen=True, slots=True, kw_only=True)
class Member:
    """A file of the cluster: its path as the server has it, and its size in bytes.

    blocks  its bytes, which have to be read before the next member is asked for
    file    where it lies by itself, as it is; None where it is packed, or in a tar
    """

    path: str
    size: int
    blocks: Iterator[bytes]
    file: Path | None = None


class Members(Protocol):
    """All files of a base backup, once.

    stored   the sums of the stored files, by their names from the backup's folder
    """

    stored: dict[str, PassedBytes]

    compression: str | None
    links: dict[str, str]
    findings: list[Finding]

    def all(self) -> Iterator[Member]:
        """Every file, in stored order."""
        ...

    @property
    def readable_again(self) -> bool:
        """Whether files can be read once more, after all were read."""
        ...

    def again(self, path: str) -> Iterator[bytes] | None:
        """A file once more; None where its bytes can't be had a second time."""
        ...

    def small(self, path: str) -> bytes | None:
        """A small file, if it can be had before all are read; None where it can't, or isn't there."""
        ...

    def has_logs(self) -> bool:
        """Whether there seems to be a log in it, by names alone."""
        ...

    def looked_for_logs(self) -> bool | None:
        """The same, by looking through it where that takes no more than a second; None where it would."""
        ...


def pass_over(members: Members, member: Member) -> None:
    """Leave a member unread; where members come in order only, its bytes have to pass."""
    if not members.readable_again:
        for _ in member.blocks:
            pass


class Folder:
    """A folder as the server has it; tablespaces are links in `pg_tblspc`.

    Links lead elsewhere and are none of it, but for those of tablespaces, which are followed to the server's own folder
    in them and no further, and that of the log, of which only segments are taken.
    """

    compression: str | None = None

    def __init__(self, root: Path) -> None:
        self._root = root
        self.stored: dict[str, PassedBytes] = {}
        self.links: dict[str, str] = {}
        self.findings: list[Finding] = []

    def all(self) -> Iterator[Member]:
        for folder, prefix in [(self._root, ""), *self._tablespaces()]:
            yield from self._below(folder, prefix)
        if (self._root / "pg_wal").is_symlink():
            yield from self._log_elsewhere()

    def _log_elsewhere(self) -> Iterator[Member]:
        """The segments of a log that lies on another volume, and nothing else that lies there."""
        for path in sorted((self._root / "pg_wal").glob("*")):
            if _SEGMENT.fullmatch(path.name) and path.is_file() and not path.is_symlink():
                source = local_files([path])
                yield Member(path=f"pg_wal/{path.name}", size=source.size, blocks=source.blocks())

    def _tablespaces(self) -> list[tuple[Path, str]]:
        found = []
        for link in sorted((self._root / "pg_tblspc").glob("*")):
            if _TABLESPACE.fullmatch(link.name) and link.is_symlink():
                self.links[link.name] = str(link.readlink())
                found += [
                    (place, f"pg_tblspc/{link.name}/{place.name}/")
                    for place in sorted(link.glob("PG_*"))
                    if place.is_dir()
                ]
        return found

    def _below(self, folder: Path, prefix: str) -> Iterator[Member]:
        for root, folders, names in os.walk(folder):
            folders.sort()
            for name in sorted(names):
                path = Path(root, name)
                if path.is_symlink() or not path.is_file():
                    self.findings.append(
                        _strange(prefix + str(path.relative_to(folder)), "is a link or no plain file", path)
                    )
                    continue
                passed = PassedBytes()
                source = passed.watch(local_files([path]))
                member = prefix + path.relative_to(folder).as_posix()
                if not prefix:
                    self.stored[member] = passed
                yield Member(path=member, size=source.size or 0, blocks=source.blocks(), file=path)

    readable_again = True

    def again(self, path: str) -> Iterator[bytes] | None:
        return local_files([self._root / path]).blocks()

    def small(self, path: str) -> bytes | None:
        try:
            return local_files([self._root / path]).head(64 << 20) if (self._root / path).is_file() else None
        except CannotCheck:
            return None

    def has_logs(self) -> bool:
        return any(_SEGMENT.fullmatch(path.name) for path in (self._root / "pg_wal").glob("*"))

    def looked_for_logs(self) -> bool | None:
        return self.has_logs()


class Tars:
    """Tars: `base.tar`, one for each tablespace called by its number, `pg_wal.tar`; or a single one."""

    def __init__(self, tars: dict[str, Source], beside: dict[str, bytes]) -> None:
        self._tars = tars
        self._beside = beside
        self.stored: dict[str, PassedBytes] = {}
        self.compression: str | None = None
        self.links: dict[str, str] = {name: "" for name in tars if _TABLESPACE.fullmatch(name)}
        self.findings: list[Finding] = []

    def all(self) -> Iterator[Member]:
        for name, source in self._tars.items():
            prefix = {"base": "", "pg_wal": "pg_wal/"}.get(name, f"pg_tblspc/{name}/")
            passed = self.stored[Path(source.name).name] = PassedBytes()
            text = PlainText(passed.watch(source))
            stream = _Stream(text, self.findings)
            broken: list[str] = []
            try:
                with tarfile.open(fileobj=stream, mode="r|", bufsize=READ_SIZE) as tar:  # type: ignore[call-overload]
                    yield from self._of(tar, prefix, source, broken)
                stream.drain()
            except (tarfile.TarError, EOFError) as error:
                broken.append(str(error))
            if broken:
                said = f"{Path(source.name).name}: the tar can't be read on: {broken[0]}"
                self.findings.append(fault("tar-damaged", said, _COPY, Place(file=source.name)))
            self.compression = self.compression or ("+".join(text.containers) or None)

    def _of(self, tar: tarfile.TarFile, prefix: str, source: Source, broken: list[str]) -> Iterator[Member]:
        for entry in tar:
            path = prefix + entry.name.removeprefix("./")
            if path.startswith("/") or ".." in path.split("/"):
                self.findings.append(_strange(path, "leads out of the backup", Path(source.name)))
                continue
            if entry.isfile():
                file = tar.extractfile(entry)
                yield Member(path=path, size=entry.size, blocks=_blocks(file, entry.size, broken))
            elif entry.issym() and re.fullmatch(r"pg_tblspc/\d+", path):
                self.links[path.removeprefix("pg_tblspc/")] = entry.linkname
            elif not entry.isdir():
                self.findings.append(_strange(path, "is a link or no plain file", Path(source.name)))

    readable_again = False

    def again(self, path: str) -> Iterator[bytes] | None:
        del path  # what is packed is read once
        return None

    def small(self, path: str) -> bytes | None:
        if not self._beside.get("") and "base" in self._tars:
            self._beside[""] = b"looked"
            self._beside.update(_head_of(self._tars["base"]))
        return self._beside.get(path)

    def has_logs(self) -> bool:
        return "pg_wal" in self._tars

    def looked_for_logs(self) -> bool | None:
        base = self._tars.get("base")
        if self.has_logs() or base is None:
            return self.has_logs()
        if base.size is None or base.size > _MOST_LOOKED_THROUGH:
            return None
        try:
            with tarfile.open(fileobj=_Stream(PlainText(base), []), mode="r|", bufsize=READ_SIZE) as tar:  # type: ignore[call-overload]
                return any(_SEGMENT.fullmatch(entry.name.rpartition("pg_wal/")[2]) for entry in tar)
        except (tarfile.TarError, EOFError):
            return None


def _head_of(source: Source) -> dict[str, bytes]:
    """Small files at the beginning of a tar: its label, and what else comes soon."""
    if source.size is None:
        return {}  # what is read once is not read twice
    found: dict[str, bytes] = {}
    head = Streamed(source.name, io.BytesIO(source.head(_HEAD_BYTES)))
    try:
        with tarfile.open(fileobj=_Stream(PlainText(head), []), mode="r|", bufsize=READ_SIZE) as tar:  # type: ignore[call-overload]
            for entry in tar:
                file = tar.extractfile(entry) if entry.isfile() and entry.size < 1 << 16 else None
                if file is not None:
                    found[entry.name.removeprefix("./")] = file.read()
    except (tarfile.TarError, EOFError):
        pass  # it ends where the head does
    return found


def _blocks(file: IO[bytes] | None, size: int, broken: list[str]) -> Iterator[bytes]:
    """The bytes of a file in a tar; why they end too early goes to `broken`, as whoever reads them can't mend it."""
    left = size
    while file is not None and left:
        try:
            data = file.read(min(READ_SIZE, left))
        except (tarfile.TarError, EOFError) as error:
            broken.append(str(error))
            return
        if not data:
            broken.append("it ends in the middle of a file")
            return
        left -= len(data)
        yield data


class _Stream:
    """Plain text as a stream that a tar is read from; what is found in its containers is kept."""

    def __init__(self, text: PlainText, findings: list[Finding]) -> None:
        self._blocks = text.blocks()
        self._rest = b""
        self._findings = findings

    def read(self, length: int) -> bytes:
        parts, have = [self._rest], len(self._rest)
        while have < length:
            block = next(self._blocks, None)
            if block is None:
                break
            if isinstance(block, Block):
                parts.append(block.data)
                have += len(block.data)
            else:
                self._findings.append(block)
        data = b"".join(parts)
        self._rest = data[length:]
        return data[:length]

    def drain(self) -> None:
        """Read what stands behind the tar's end, as checksums of containers do."""
        self._rest = b""
        for block in self._blocks:
            if isinstance(block, Finding):
                self._findings.append(block)


def _strange(path: str, what: str, file: Path) -> Finding:
    return doubt(
        "file-strange", f"{path} {what}: no base backup holds such", "find out who put it there", Place(file=str(file))
    )

"""Tells base backups, and opens them: folders as the server has them, and tars."""

from __future__ import annotations

import re
from pathlib import Path

from sospes.formats.base import control, label, manifest
from sospes.formats.base.members import Folder, Tars
from sospes.formats.base.reader import NAME, BaseReader
from sospes.formats.form import Head, Reader, Stored, Want, Words
from sospes.model.errors import CannotCheck
from sospes.model.findings import Finding
from sospes.places.local import LocalFolder, local_files
from sospes.places.source import Source

_TAR = re.compile(r"(base|pg_wal|\d+)\.tar(?:\.\w+)?")
_FIRST = frozenset({label.PATH.encode(), b"tablespace_map"})


class _BaseBackup:
    """PostgreSQL base backups: a folder, or tars in a folder, or one tar."""

    name = NAME
    words = Words(
        title="base backup",
        whole="yes, every file is as the manifest has it",
        cut_off="no",
        unknown="unknown until all of it is read",
        unknown_packed="unknown until all of it is read",
        checked="every file held against the manifest, every page and record of its log checked",
    )

    def recognise(self, head: Head) -> bool:
        """Whether it is a tar that begins with a label, as the server writes one."""
        return head.plain[257:262] == b"ustar" and head.plain[:100].rstrip(b"\0") in _FIRST

    def is_folder(self, path: Path) -> bool:
        """Whether it is a cluster's folder, even if some of it is missing, or one with the tars of a base backup."""
        if _is_cluster(path):
            return True
        return path.is_dir() and any(_is_base_tar(tar) for tar in path.glob("base.tar*"))

    def open(self, stored: Stored, want: Want) -> Reader | Finding:
        """A reader over all of its files."""
        root = Path(stored.source.name)
        folder = stored.source if isinstance(stored.source, LocalFolder) else None
        if not root.is_dir():
            return BaseReader(Tars({"base": stored.source}, {}), want)
        if _is_cluster(root):
            return BaseReader(Folder(root), want, folder)
        tars: dict[str, Source] = {}
        for path in sorted(root.iterdir(), key=lambda path: (path.name.startswith("pg_wal"), path.name)):
            if (found := _TAR.fullmatch(path.name)) and path.is_file():
                tars[found[1]] = local_files([path])
        return BaseReader(Tars(tars, _beside(root)), want, folder)


def _is_cluster(path: Path) -> bool:
    """Whether a folder has two of what every cluster's, or every copy of one, has in its root."""
    marks = ("PG_VERSION", control.PATH, label.PATH, manifest.PATH)
    return (path / "global").is_dir() and sum((path / mark).is_file() for mark in marks) >= 2


def _beside(root: Path) -> dict[str, bytes]:
    """The manifest, which lies beside tars."""
    path = root / manifest.PATH
    return {manifest.PATH: local_files([path]).head(1 << 30)} if path.is_file() else {}


def _is_base_tar(path: Path) -> bool:
    """Whether a file is a tar that begins with a label, packed or not."""
    import io

    from sospes.places.streamed import Streamed
    from sospes.stream.plain import PlainText

    try:
        head = local_files([path]).head(1 << 17)
    except CannotCheck:
        return False
    text = PlainText(Streamed("head", io.BytesIO(head)))
    plain = b""
    for block in text.blocks():
        plain += getattr(block, "data", b"")
        if len(plain) >= 512:
            break
    return plain[257:262] == b"ustar" and plain[:100].rstrip(b"\0") in _FIRST


BASE_BACKUP = _BaseBackup()

"""Opens the files of a base backup: a folder as the server has it, or tars in a folder."""

from __future__ import annotations

import io
import re
import tarfile
from pathlib import Path

from sospes.formats.base import control, label, manifest
from sospes.formats.base.members import Folder, Members, Tars
from sospes.model.errors import CannotCheck
from sospes.places.local import local_files
from sospes.places.source import Source
from sospes.places.streamed import Streamed
from sospes.stream.containers import Block
from sospes.stream.plain import PlainText

_TAR = re.compile(r"(base|pg_wal|\d+)\.tar(?:\.\w+)?")
_FIRST = frozenset({label.PATH.encode(), b"tablespace_map"})
_HEAD_BYTES = 1 << 17
_ENOUGH = 3
"""Of what lies in a cluster's root, so much tells it from other folders."""


def begins_like_tar(plain: bytes) -> bool:
    """Whether a tar begins with a label, as the server writes one."""
    return plain[257:262] == b"ustar" and plain[:100].rstrip(b"\0") in _FIRST


def is_cluster(path: Path) -> bool:
    """Whether a folder has some of what every copy of a cluster has in its root; half of it may be gone."""
    files = sum((path / name).is_file() for name in ("PG_VERSION", control.PATH, label.PATH, manifest.PATH))
    folders = sum((path / name).is_dir() for name in ("base", "global", "pg_wal", "pg_xact"))
    return files > 0 and folders > 0 and files + folders >= _ENOUGH


def has_base_tar(path: Path) -> bool:
    """Whether a folder has the tar of a base backup, packed or not."""
    return path.is_dir() and any(begins_like_tar(_head_of(tar)) for tar in path.glob("base.tar*"))


def members_of(path: Path) -> Members | None:
    """The files of the base backup in a folder; None where there is none."""
    if is_cluster(path):
        return Folder(path)
    if not has_base_tar(path):
        return None
    tars: dict[str, Source] = {}
    for file in sorted(path.iterdir(), key=lambda file: (file.name.startswith("pg_wal"), file.name)):
        if (found := _TAR.fullmatch(file.name)) and file.is_file():
            tars[found[1]] = local_files([file])
    return Tars(tars, _beside(path))


def _beside(root: Path) -> dict[str, bytes]:
    """The manifest, which lies beside tars."""
    path = root / manifest.PATH
    return {manifest.PATH: local_files([path]).head(1 << 30)} if path.is_file() else {}


def _head_of(path: Path) -> bytes:
    """The beginning of a file's plain text; nothing of one that can't be read."""
    try:
        text = PlainText(Streamed("head", io.BytesIO(local_files([path]).head(_HEAD_BYTES))))
    except CannotCheck:
        return b""
    plain = b""
    for block in text.blocks():
        plain += block.data if isinstance(block, Block) else b""
        if len(plain) >= tarfile.BLOCKSIZE:
            break
    return plain

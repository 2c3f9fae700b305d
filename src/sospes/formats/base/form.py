"""Tells base backups, and opens them: folders as the server has them, and tars."""

from __future__ import annotations

from pathlib import Path

from sospes.formats.base.members import Tars
from sospes.formats.base.opening import begins_like_tar, has_base_tar, is_cluster, members_of
from sospes.formats.base.reader import NAME, BaseReader
from sospes.formats.form import Head, Reader, Stored, Want, Words
from sospes.model.findings import Finding
from sospes.places.local import LocalFolder


class _BaseBackup:
    """PostgreSQL base backups: a folder, or tars in a folder, or one tar."""

    name = NAME
    many = False
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
        return begins_like_tar(head.plain)

    def is_folder(self, path: Path) -> bool:
        """Whether it is a cluster's folder, even if some of it is missing, or one with the tars of a base backup."""
        return is_cluster(path) or has_base_tar(path)

    def open(self, stored: Stored, want: Want) -> Reader | Finding:
        """A reader over all of its files."""
        folder = stored.source if isinstance(stored.source, LocalFolder) else None
        members = members_of(Path(folder.name)) if folder is not None else None
        return BaseReader(members or Tars({"base": stored.source}, {}), want, folder)


BASE_BACKUP = _BaseBackup()

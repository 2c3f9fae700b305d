"""Tells change logs of PostgreSQL, and opens them: one file, or a folder of them."""

from __future__ import annotations

from pathlib import Path

from sospes.formats.form import Head, Reader, Stored, Want, Words
from sospes.formats.wal.files import Logs, gather, holds_logs, is_small, log_file, small_of
from sospes.formats.wal.reader import NAME, LogReader
from sospes.formats.wal.segments import segment_head
from sospes.model.findings import Finding
from sospes.places.local import LocalFolder


class _ChangeLogs:
    """PostgreSQL's write-ahead log: segments, histories of timelines, notes about backups, and folders of these."""

    name = NAME
    many = True
    words = Words(
        title="change log",
        whole="yes, every record is as it was written",
        cut_off="no",
        unknown="unknown until all of it is read",
        unknown_packed="unknown until all of it is read",
        checked="every page and record of the log checked",
        proven_by="verify",
    )

    def recognise(self, head: Head) -> bool:
        """Whether it is a segment, or a small file that lies beside segments."""
        return segment_head(head.plain) is not None or (head.whole and is_small(head.plain))

    def is_folder(self, path: Path) -> bool:
        """Whether a folder holds segments, and nothing else is known of it."""
        return path.is_dir() and holds_logs(path)

    def open(self, stored: Stored, want: Want) -> Reader | Finding:
        """A reader over all of its files."""
        root = Path(stored.source.name)
        if isinstance(stored.source, LocalFolder):
            logs, in_cluster = gather([root]), (root / "archive_status").is_dir()
            return LogReader(
                logs.without_recycled() if in_cluster else logs, want, stored.source, in_cluster=in_cluster
            )
        logs = Logs()
        head = segment_head(stored.head.plain)
        if head is not None:
            file = log_file(stored.source.name, head, stored.source.size, "+".join(stored.head.containers) or None)
            file.given = stored.source
            logs.put(file, file.place)
        else:
            logs.put(small_of(root.name, stored.head.plain), str(root))
            logs.others.clear()  # a history under another name is one all the same
            logs.small_bytes = stored.source.size or len(stored.head.plain)
        return LogReader(logs, want)


CHANGE_LOGS = _ChangeLogs()

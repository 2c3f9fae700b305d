"""The label of a base backup, `backup_label`: where in the log it begins, when, and what it builds on.

Source: PostgreSQL, src/backend/access/transam/xlogbackup.c; documentation, "Continuous Archiving".
"""

from __future__ import annotations

import re
from dataclasses import dataclass

from sospes.formats.wal.segments import stated_time

PATH = "backup_label"
_POSITION = r"([0-9A-F]{1,8})/([0-9A-F]{1,8})"
_START = re.compile(rf"^START WAL LOCATION: {_POSITION} \(file ([0-9A-F]{{24}})\)$", re.M)
_CHECKPOINT = re.compile(rf"^CHECKPOINT LOCATION: {_POSITION}$", re.M)
_TIMELINE = re.compile(r"^START TIMELINE: (\d+)$", re.M)
_FROM = re.compile(r"^BACKUP FROM: (\w+)$", re.M)
_TIME = re.compile(r"^START TIME: (.+)$", re.M)
_LABEL = re.compile(r"^LABEL: (.*)$", re.M)
_FOLLOWS = re.compile(rf"^INCREMENTAL FROM LSN: {_POSITION}$", re.M)
_FOLLOWS_TIMELINE = re.compile(r"^INCREMENTAL FROM TLI: (\d+)$", re.M)


@dataclass(frozen=True, slots=True, kw_only=True)
class Label:
    """What a label says. Positions are offsets in the log, in bytes.

    started_at   in ISO 8601; with a zone only where the server named one that is beyond doubt
    standby      it was taken from a standby
    follows      where the backup begins that it builds on, and on which timeline; None for a full one
    """

    start: int
    checkpoint: int
    timeline: int | None
    started_at: str | None
    label: str
    standby: bool
    follows: tuple[int, int] | None


def read_label(data: bytes) -> Label | None:
    """The contents of a label; None for what is none, or is cut off before its positions."""
    text = data.decode("utf-8", "replace")
    start, checkpoint, timeline = _START.search(text), _CHECKPOINT.search(text), _TIMELINE.search(text)
    if start is None or checkpoint is None:
        return None
    origin, time, label = _FROM.search(text), _TIME.search(text), _LABEL.search(text)
    follows, follows_timeline = _FOLLOWS.search(text), _FOLLOWS_TIMELINE.search(text)
    return Label(
        start=_offset(start),
        checkpoint=_offset(checkpoint),
        timeline=int(timeline[1]) if timeline else int(start[3][:8], 16),
        started_at=stated_time(time[1]) if time else None,
        label=label[1] if label else "",
        standby=origin is not None and origin[1] == "standby",
        follows=(_offset(follows), int(follows_timeline[1]) if follows_timeline else 0) if follows else None,
    )


def _offset(found: re.Match[str]) -> int:
    return (int(found[1], 16) << 32) + int(found[2], 16)

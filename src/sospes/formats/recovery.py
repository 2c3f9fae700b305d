"""Recovers physical copies: the door for jobs to what is laid out and fed to a server of the backup's own version."""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from pathlib import Path

from sospes.formats.base.chain import Parts, glanced, parts_in
from sospes.formats.base.checking import USUAL, Checking
from sospes.formats.base.control import Control, read_control
from sospes.formats.base.feeding import Stop, feed, stop_at
from sospes.formats.base.laying import lay_out
from sospes.formats.base.members import Members
from sospes.formats.base.needed import Following, needed
from sospes.formats.base.opening import members_of
from sospes.formats.base.reader import NAME
from sospes.formats.wal.files import Logs
from sospes.model.entries import Engine
from sospes.model.errors import CannotCheck, UsageError
from sospes.model.moments import Moment, position, time_of
from sospes.places.writing import nameless_file

__all__ = ["MARGIN", "Recovery", "Stop", "UsedPart", "is_physical", "open_recovery"]

_ZONED = re.compile(r"(?:Z|[+-]\d\d:?\d\d)\Z")
MARGIN = 1.1
"""Bytes that are wanted for each byte of the backup's files: a server writes while it recovers."""


@dataclass(frozen=True, slots=True)
class UsedPart:
    """A part that was given: what it is, and whether it was used."""

    path: str
    kind: str
    used: bool


@dataclass(slots=True)
class Recovery:
    """A base backup with what belongs to it, to be recovered.

    version  the server's, as the backup states it
    size     bytes of the restored files, as far as manifests say; None where none does
    shape    bytes of a page, and pages of a file; the usual ones where the control file comes last
    """

    path: Path
    chain: list[tuple[Path, Members]]
    parts: Parts
    version: str
    size: int | None
    shape: tuple[int, int]
    engine: Engine = Engine.POSTGRESQL
    form: str = NAME
    _read: Checking | None = None
    _following: Following | None = None

    def lay_out(self, target: Path, work_folder: Path | None) -> None:
        """Write the files into a folder. Afterwards `stop` can be asked. Raises CannotCheck."""
        page_size, per_file = self.shape
        lay_out([members for _, members in self.chain], target, page_size, per_file)
        data = target / "global" / "pg_control"
        control = read_control(data.read_bytes()) if data.is_file() else None
        if control is None:
            raise CannotCheck(f"{self.path}: its control file can't be read", f"sospes verify {self.path} tells more")
        if (control.page_size, control.segment_pages) != (page_size, per_file):
            raise CannotCheck(
                f"{self.path}: its pages have {control.page_size:,} bytes, which its tar says only in the end",
                "unpack the tar, and rehearse the folder",
            )
        self._read = self._with_log(control, work_folder)

    def _with_log(self, control: Control, work_folder: Path | None) -> Checking:
        """What was read of the last backup: its label, and its log, which has to be had once more."""
        read = Checking(self.chain[-1][1])
        read.spool = nameless_file(work_folder)
        read.read_log()
        read.control = control
        return read

    def close(self) -> None:
        """Let go of what was kept for it."""
        if self._read is not None and self._read.spool is not None:
            self._read.spool.close()

    def stop(self, moment: Moment | None) -> Stop:
        """Where a recovery to a moment stops. Raises UsageError for one before the files agree."""
        assert self._read is not None
        needs = needed(self._read)
        if needs is None:
            advice = f"sospes verify {self.path} tells more"
            raise CannotCheck(f"{self.path}: nothing says where its log begins", advice)
        self._following = Following(self._read, needs, self.parts.logs if self.parts.logs is not None else Logs())
        label = self._read.label
        ended = self._following.reach.ended_at or (label.started_at if label is not None else None)
        begins = time_of(ended) if ended is not None and _ZONED.search(ended) else None
        if moment is not None and moment.time is not None and begins is not None and moment.time < begins:
            raise UsageError(
                f"{moment.words}: is before the end of this backup, which was taken at {begins.isoformat()}",
                "name a later moment, or an older backup: sospes plan tells which one",
            )
        return stop_at(self._following, moment)

    def log_size(self, stop: Stop) -> int:
        """Bytes of the log that is to be fed up to there."""
        assert self._following is not None
        return stop.end - self._following.reach.needs.start + 2 * self._following.size

    def feed(self, stop: Stop, target: Path, progress: Callable[[int], None]) -> None:
        """Write the log up to where the recovery stops."""
        assert self._following is not None
        feed(self._following, stop, target, progress)

    @property
    def timeline(self) -> int:
        """The timeline that the recovery follows."""
        assert self._following is not None
        return self._following.reach.way.timeline

    @property
    def limits(self) -> dict[str, int]:
        """What a server must at least be set to, to apply the log: connections, workers, prepared, locks."""
        assert self._read is not None and self._read.control is not None
        control = self._read.control
        return {
            "connections": control.connections, "workers": control.workers, "prepared": control.prepared,
            "locks": control.locks,
        }  # fmt: skip

    def missing(self, stop: Stop) -> str:
        """What of the log is missing before the files agree, in words."""
        assert self._following is not None
        upto = self._following.reach.needs.end
        return f"the log ends at {position(stop.end)}, and the files agree at " + (
            position(upto) if upto is not None else "the record of the backup's end"
        )

    def used(self) -> list[UsedPart]:
        """All parts that were given, and whether they were used."""
        own = {str(path) for path, _ in self.chain}
        found = [
            UsedPart(str(path), "full" if read.label is None or read.label.follows is None else "incremental",
                     str(path) in own)
            for path, read in self.parts.backups
        ]  # fmt: skip
        files = {file.place for file in self._following.reach.used} if self._following is not None else set()
        logs = self.parts.logs.files if self.parts.logs is not None else []
        return [*found, *(UsedPart(file.place, "log", file.place in files) for file in logs)]


def is_physical(path: Path) -> bool:
    """Whether a folder is a physical copy that a server recovers."""
    return path.is_dir() and members_of(path) is not None


def open_recovery(path: Path, places: Sequence[Path]) -> Recovery:
    """A base backup, with what it builds on and its logs from some places.

    Raises CannotCheck for what is no base backup, or where something that it builds on is nowhere.
    """
    members = members_of(path) if path.is_dir() else None
    if members is None:
        raise CannotCheck(
            f"{path}: is not a base backup in a folder",
            "unpack it into a folder, or put its tars there under their own names",
        )
    parts = parts_in(places)
    chain = [(path, members)]
    here = glanced(members)
    version = here.kept.get("PG_VERSION", b"").decode("ascii", "replace").strip()
    sizes = [here.manifest.total if here.manifest is not None else None]
    while here.label is not None and here.label.follows is not None:
        start = here.label.follows[0]
        below = [(where, one) for where, one in parts.backups if one.label is not None and one.label.start == start]
        if not below or len(chain) > len(parts.backups):
            raise CannotCheck(
                f"{path}: builds on the backup that begins at {position(start)}, which is nowhere",
                "name the place where that one lies: --with FOLDER",
            )
        where, here = below[0]
        chain.append((where, here.members))
        sizes.append(here.manifest.total if here.manifest is not None else None)
    known = [size for size in sizes if size is not None]
    whole = sum(known) if len(known) == len(sizes) else None
    shape = (here.control.page_size, here.control.segment_pages) if here.control is not None else USUAL
    return Recovery(path, chain[::-1], parts, version, whole, shape)

"""What an incremental backup builds on: found among the parts that were given, by log positions, never by name."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from pathlib import Path

from sospes.formats.base.checking import Checking
from sospes.formats.base.judging import judged
from sospes.formats.base.members import Members
from sospes.formats.base.names import Names
from sospes.formats.base.needed import Following, needed
from sospes.formats.base.opening import members_of
from sospes.formats.base.pages import file_of
from sospes.formats.wal.files import Logs, gather
from sospes.model.findings import Finding, doubt, fault, some
from sospes.model.moments import position
from sospes.places.writing import nameless_file

NAMED = 5


@dataclass(slots=True)
class Parts:
    """What was given with a backup: logs, and the folders or tars of other base backups. None where nothing was."""

    logs: Logs | None = None
    backups: list[tuple[Path, Checking]] = field(default_factory=list)


def parts_in(places: Sequence[Path]) -> Parts:
    """Tell apart what lies in some places, by what is in it; folders in them are looked through, too.

    Raises NotFound for a place that isn't there.
    """
    parts = Parts()
    if not places:
        return parts
    rest: list[Path] = []
    inside: list[Path] = []
    for place in places:
        waiting = [place]
        while waiting:
            here = waiting.pop()
            members = members_of(here) if here.is_dir() else None
            if members is not None:
                parts.backups.append((here, glanced(members)))
                inside += logs_of(here)
            elif here.is_dir():
                rest += [path for path in here.iterdir() if path.is_file() and not path.is_symlink()]
                waiting += [path for path in here.iterdir() if path.is_dir() and not path.is_symlink()]
            else:
                rest.append(here)
    parts.logs = gather(rest)
    parts.logs.add_all(logs_inside(inside))
    return parts


def logs_inside(places: Sequence[Path]) -> Logs:
    """The logs that lie in other backups, in their own places for them."""
    logs = gather(places)
    for file in logs.files:
        file.aside = True
    logs.others.clear()
    return logs


def logs_of(backup: Path) -> list[Path]:
    """The place of the logs that a base backup in a folder has inside; none where it has no place for them."""
    return [backup / "pg_wal"] if (backup / "pg_wal").is_dir() else []


def glanced(members: Members) -> Checking:
    """The small files of a backup, read."""
    checking = Checking(members)
    checking.glance()
    return checking


class Chain:
    """The backups that an incremental one builds on, the nearest first, as far as they are there."""

    def __init__(self, read: Checking, parts: Parts) -> None:
        self._read = read
        self._parts = parts
        self.bytes_read = 0

    def findings(self, work_folder: Path | None) -> list[Finding]:
        """What is missing of the chain, and all that is wrong with what is there, which is read through."""
        return [*self._findings(work_folder)]

    def _findings(self, work_folder: Path | None) -> Iterator[Finding]:
        here = self._read
        seen = {id(here)}
        while here.label is not None and here.label.follows is not None:
            start, _ = here.label.follows
            fitting = [(path, one) for path, one in self._parts.backups if one.label and one.label.start == start]
            own = [(path, one) for path, one in fitting if one.system in {here.system, None}]
            if not own:
                yield _missing(start, fitting, given=self._parts.logs is not None)
                return
            path, below = own[0]
            if id(below) in seen:
                said = f"{path}: it is said to build on itself"
                yield fault("base-foreign", said, "find out who changed the label").at(file=str(path))
                return
            seen.add(id(below))
            yield from self._read_through(path, below, work_folder)
            yield from _fits(here, below, path)
            here = below

    def _read_through(self, path: Path, below: Checking, work_folder: Path | None) -> Iterator[Finding]:
        """All that is wrong with a backup below; its places carry its own name."""
        with nameless_file(work_folder) as spool:
            below.spool = spool
            below.read()
            needs = needed(below)
            following = Following(below, needs, None) if needs is not None else None
            found = [*judged(below, following, Names(below))]
        self.bytes_read += below.bytes_read
        for finding in [*below.members.findings, *found]:
            if finding.code == "logs-missing":
                continue  # only the last one of a chain is brought up to its end
            yield finding.at(file=str(path / (finding.place.file or "")))


def _missing(start: int, foreign: list[tuple[Path, Checking]], *, given: bool) -> Finding:
    begins = position(start)
    if foreign:
        path = foreign[0][0]
        return fault(
            "base-foreign",
            f"{path} begins at {begins}, where the backup belongs that this one builds on, and is of another cluster",
            "look for the backup of this cluster that begins there",
        ).at(file=str(path))
    where = "is not among the parts that were given" if given else "was not given"
    return doubt(
        "base-missing",
        f"it is incremental: it builds on the backup that begins at {begins}, which {where}",
        "name the place where that one lies: --with FOLDER; only both together can be restored",
    )


def _fits(above: Checking, below: Checking, path: Path) -> Iterator[Finding]:
    """Files of an increment whose other pages are nowhere in the backup below."""
    lost = []
    for name in above.seen:
        of = file_of(name)
        if of is None or not of.increment:
            continue
        whole = name.replace("INCREMENTAL.", "")
        if whole not in below.seen and name not in below.seen:
            lost.append(whole)
    if lost:
        yield fault(
            "base-foreign",
            f"{path} lacks {len(lost):,} files that this one has changed pages of: {some(lost, NAMED)}",
            "look for the backup that this one was made from",
        ).at(file=str(path))

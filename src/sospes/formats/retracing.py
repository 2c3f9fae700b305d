"""Reads what was done from change logs: the door for jobs, which know no forms."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from pathlib import Path

from sospes.formats.base.chain import Parts, parts_in
from sospes.formats.base.checking import Checking
from sospes.formats.base.names import Names as BackupNames
from sospes.formats.tracing.names import Named, Names
from sospes.formats.tracing.trace import Trace
from sospes.formats.wal.files import LogFile, Logs
from sospes.formats.wal.following import log_fault, logs_through
from sospes.formats.wal.segments import VERSIONS
from sospes.formats.wal.timelines import file_at, newest_way
from sospes.model.entries import Engine, Name
from sospes.model.errors import CannotCheck, UsageError
from sospes.model.findings import Finding, Place, doubt, note, some
from sospes.model.moments import iso, position
from sospes.model.retracing import NumberedRelation, Operation, Traced
from sospes.places.writing import nameless_file

_NAMED = 5


@dataclass(slots=True, kw_only=True)
class Tracing:
    """Logs of one cluster, to be read once.

    system      the cluster's identifier
    names_from  the backup whose catalogs name tables; None where nothing but the log itself does
    log_from, log_to  where it begins and, once it was read, ends
    """

    system: int
    names_from: str | None
    engine: Engine
    trace: Trace
    log_from: int
    _files: dict[int, LogFile]
    _findings: list[Finding]
    log_to: int | None = None

    @property
    def bytes_read(self) -> int:
        """Stored bytes that were read by now."""
        return sum(file.bytes_read for file in self._files.values())

    @property
    def findings(self) -> list[Finding]:
        """What is wrong with the logs, as far as they were read."""
        unpacked = [finding for file in self._files.values() for finding in file.findings]
        return [*self._findings, *unpacked, *self._not_understood()]

    def _not_understood(self) -> Iterator[Finding]:
        first = self._files[min(self._files)]
        if first.head.magic not in VERSIONS:
            said = f"the log is of a version that is not known here (mark {first.head.magic:04X})"
            yield doubt("version-unknown", f"{said}: records may mean something else", "look for a newer Sospes")
        if self.trace.unread:
            said = f"{self.trace.unread:,} records can't be understood: what they say is not told"
            yield doubt("records-unread", said, "verify the log; then report this, with the log if it may be shown")

    @property
    def times(self) -> tuple[str | None, str | None]:
        """When the first and the newest commit were."""
        return iso(self.trace.first), iso(self.trace.last)

    def take_live(self, server: str, relations: Sequence[NumberedRelation]) -> None:
        """Take the names of tables from a live database, as they are now."""
        self.names_from = server
        for one in relations:
            self.trace.names.databases[one.database] = one.database_name
            named = Named(
                database=one.database, oid=one.oid, file=one.file, schema=one.schema, name=one.name, kind=one.kind,
                space=0, lasting=one.lasting,
            )  # fmt: skip
            self.trace.names.take_relation(named, one.schema_name)

    def operations(self, progress: Callable[[int], None]) -> Iterator[list[Traced]]:
        """All that was done, in the order in which transactions ended, some at a time.

        Afterwards `findings` says what was in the way.
        """
        size, read = self._size, 0
        for run in _runs(self._files, size):
            for begin, log in logs_through(run, min(run)):
                self.log_from = min(self.log_from, begin)
                for records in log.records(begin):
                    yield self.trace.take(records)
                    read += len(records.text)
                    progress(read)
                self.log_to = max(self.log_to or 0, log.end or begin)
                for problem in log.faults:
                    file = run.get(problem.position - problem.position % size)
                    self._findings.append(log_fault(problem, file, size))
            behind = max(run) + size
            later = [start for start in self._files if start >= behind]
            if later:
                self._findings.append(_gap(run[max(run)], behind, min(later)))

    @property
    def _size(self) -> int:
        return next(iter(self._files.values())).head.size

    def operation(self, traced: Traced) -> Operation:
        """An operation as it is told."""
        subject, file = traced.subject, self._files.get(traced.begins - traced.begins % self._size)
        return Operation(
            at=iso(traced.time), kind=traced.kind, database=subject.database, schema=subject.schema,
            table=subject.table, rows=traced.rows, position=position(traced.begins),
            transaction=str(traced.transaction) if traced.transaction else None,
            file=file.name if file is not None else None, table_file=subject.table_file, complete=traced.complete,
            name=subject.name, keys=traced.keys,
        )  # fmt: skip

    @staticmethod
    def before(traced: Traced) -> str:
        """The moment before an operation: before its transaction is committed, but for what acts earlier."""
        return f"lsn={position(traced.before)}" if traced.before is not None else f"transaction={traced.transaction}"

    def tables(self) -> set[Name]:
        """All tables that are known by name when the log ends, but for the engine's own."""
        return self.trace.names.tables()


def open_tracing(
    places: Sequence[Path], beside: Sequence[Path], work_folder: Path | None, *, with_keys: bool = False
) -> Tracing:
    """The logs in some places, and what is `beside` them: base backups that know the names of tables, more logs.

    Raises NotFound for a place that isn't there, CannotCheck where no logs are, UsageError for several clusters.
    """
    parts = parts_in([*places, *beside])
    logs = parts.logs if parts.logs is not None else Logs()
    if not logs.segments:
        named = ", ".join(map(str, places))
        raise CannotCheck(f"{named}: no change log is there", "name the folder where the server's log was archived")
    system = _system(logs, parts)
    files, left = _files(logs, system)
    backup = _backup(parts, system, min(files))
    if backup is not None:
        names = _named(backup[1], work_folder, with_keys=with_keys)
    else:
        names = Names(int(VERSIONS.get(files[min(files)].head.magic, "15")), of_columns=with_keys)
    return Tracing(
        system=system, names_from=str(backup[0]) if backup is not None else None, engine=Engine.POSTGRESQL,
        trace=Trace(names, with_keys=with_keys), log_from=max(files), _files=files,
        _findings=[*_left(left)],
    )  # fmt: skip


def _system(logs: Logs, parts: Parts) -> int:
    """The cluster that is meant: the only one, or that of the only backup."""
    if len(logs.systems) == 1:
        return logs.systems[0]
    backups = {read.system for _, read in parts.backups} & set(logs.systems)
    found = [system for system in backups if system is not None]
    if len(found) != 1:
        listed = ", ".join(map(str, logs.systems))
        raise UsageError(
            f"the logs are of {len(logs.systems)} clusters, with the system identifiers {listed}",
            "name the folder of one, or add --with FOLDER with a base backup of the one that is meant",
        )
    return found[0]


def _files(logs: Logs, system: int) -> tuple[dict[int, LogFile], list[LogFile]]:
    """The file of each segment on the way to the newest timeline, by where it begins; and those on other ways."""
    way, _ = newest_way(min(line for of, line, _ in logs.segments if of == system), 0, logs, system)
    files: dict[int, LogFile] = {}
    left: list[LogFile] = []
    for (of, _, start), copies in sorted(logs.segments.items()):
        if of != system:
            continue
        found = file_at(logs, system, way, start, copies[0].head.size)
        ends = way.ends(found.timeline) if found is not None else None
        if found is None or (ends is not None and ends <= start):
            left += copies
        else:
            files[start] = found
            left += [copy for copy in copies if copy.timeline not in {number for number, _ in way.begins}]
    named = [start for start, file in files.items() if not file.aside]
    if named:  # what lies in a backup only fills gaps between those
        files = {start: file for start, file in files.items() if min(named) <= start <= max(named)}
    if not files:
        raise CannotCheck("the logs lie on timelines of which nobody knows how they belong together",
                          "add their .history files")  # fmt: skip
    return files, left


def _left(left: list[LogFile]) -> Iterator[Finding]:
    if left:
        yield note(
            "log-other-timeline",
            f"{some([file.name for file in left], _NAMED)} lie on a timeline that was left, and are not read",
            "to read what was done there, name those files alone",
            Place(file=left[0].place),
        )


def _backup(parts: Parts, system: int, start: int) -> tuple[Path, Checking] | None:
    """The backup whose catalogs are nearest to where the log begins: the newest one before it, else the oldest."""
    own = sorted(
        (read.label.start, number)
        for number, (_, read) in enumerate(parts.backups)
        if read.system in {system, None} and read.label is not None and read.label.follows is None
    )
    before = [one for one in own if one[0] <= start + _segment_size(parts.backups[one[1]][1])]
    chosen = before[-1:] or own[:1]
    return parts.backups[chosen[0][1]] if chosen else None


def _segment_size(read: Checking) -> int:
    """Bytes of a segment of the log, as far as the backup says."""
    return read.control.log_segment_size if read.control is not None else 16 << 20


def _named(read: Checking, work_folder: Path | None, *, with_keys: bool) -> Names:
    """Names by the catalogs of a backup, whose files are read through where they are packed."""
    with nameless_file(work_folder) as spool:
        if not read.members.readable_again:
            read = Checking(read.members, spool=spool)
            read.read_log()
        known = BackupNames(read)
        names = Names(known.version, known.page_size, of_columns=with_keys)
        for database, data in known.maps():
            names.take_map(database, data)
        for catalog, file, pages in known.catalogs(of_columns=with_keys):
            names.take_pages(catalog, file, pages, known.is_committed)
    return names


def _runs(files: dict[int, LogFile], size: int) -> Iterator[dict[int, LogFile]]:
    """Segments that follow on one another without a gap."""
    run: dict[int, LogFile] = {}
    for start in sorted(files):
        if run and start - size not in run:
            yield run
            run = {}
        run[start] = files[start]
    yield run


def _gap(before: LogFile, from_: int, to: int) -> Finding:
    return doubt(
        "log-gap",
        f"the log from {position(from_)} to {position(to)} is nowhere: what was done in it is not told, and "
        "transactions that reach into it are told in part",
        "name the place with the missing files: --with FOLDER",
        Place(file=before.place),
    )

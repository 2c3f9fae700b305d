"""Reads a base backup: what it is, and whether every byte of it is as it was written."""

from __future__ import annotations

from collections.abc import Iterator

from sospes.formats.base import control as control_file
from sospes.formats.base.chain import Chain, parts_in
from sospes.formats.base.checking import Checking
from sospes.formats.base.judging import control_findings, judged
from sospes.formats.base.members import Members
from sospes.formats.base.names import Names
from sospes.formats.base.needed import Following, Reach, needed
from sospes.formats.form import Abilities, Glance, Reader, Want, everything
from sospes.model.entries import ContentsEntry, Engine, Entry
from sospes.model.events import Event, Header, PhysicalHeader, Relation, Window
from sospes.model.findings import Finding, note
from sospes.model.moments import position
from sospes.model.verdict import Severity
from sospes.places.local import LocalFolder
from sospes.places.writing import nameless_file
from sospes.stream.containers import Block
from sospes.stream.passing import pass_folder

NAME = "pg-base"


class BaseReader:
    """One pass over the files of a base backup."""

    abilities = Abilities(
        gives_rows=False, from_beginning="this form is always read from its beginning", takes_parts=True
    )
    unsure = ""  # nothing is inferred from wording
    contents: tuple[ContentsEntry, ...] | None = None

    def __init__(self, members: Members, want: Want, folder: LocalFolder | None = None) -> None:
        self._members = members
        self._want = want
        self._folder = folder
        self._system_of_log: str | None = None
        self._checking = Checking(members)
        self._names = Names(self._checking)
        self._relations: tuple[Relation, ...] | None = None
        self._reach: Reach | None = None
        self._complete: bool | None = None
        self._more_read = 0

    @property
    def compression(self) -> str | None:
        """How its tars are packed."""
        return self._members.compression

    @property
    def bytes_read(self) -> int:
        """Bytes of files that were read by now."""
        return self._checking.bytes_read + self._more_read

    @property
    def plain_bytes(self) -> int:
        """The same: a folder is not packed, and of tars the plain files count."""
        return self.bytes_read

    @property
    def header(self) -> Header:
        """What label, control file, manifest and catalog say, as far as they were read."""
        checking = self._checking
        label, control = checking.label, checking.control
        version = checking.kept.get("PG_VERSION", b"").decode("ascii", "replace").strip()
        system = str(control.system) if control is not None else self._system_of_log
        start, end, manifest_system = self._ranges()
        return Header(
            format=NAME,
            engine=Engine.POSTGRESQL,
            engine_version=version or None,
            databases=tuple(name for _, name in sorted(self._names.databases.items())),
            system=system or manifest_system,
            written_at=label.started_at if label is not None else None,
            started_at=label.started_at if label is not None else None,
            complete=self._complete,
            kind="incremental" if label is not None and label.follows else "full",
            cluster=True,
            physical=PhysicalHeader(
                label=label.label if label is not None else None,
                timeline=label.timeline if label is not None else control.timeline if control is not None else None,
                data_checksums=control.checksums if control is not None else None,
                follows=position(label.follows[0]) if label is not None and label.follows else None,
                log_from=position(start) if start is not None else None,
                log_to=position(end) if end is not None else None,
                logs_inside=self._logs_inside(),
                tablespaces=tuple(sorted(self._members.links)),
                files=len(checking.seen) or None,
                pages=checking.pages if checking.seen else None,
                records=self._reach.times.records if self._reach is not None else None,
                window=self._window(),
                relations=self._relations,
            ),
        )

    def _ranges(self) -> tuple[int | None, int | None, str | None]:
        """From where to where the log is needed, and the system identifier of the manifest."""
        label = self._checking.label
        start = label.start if label is not None else None
        manifest = self._checking.manifest
        if manifest is None:
            return start, None, None
        end = max((one.end for one in manifest.ranges), default=None)
        start = start if start is not None else min((one.start for one in manifest.ranges), default=None)
        return start, end, str(manifest.system) if manifest.system is not None else None

    def _logs_inside(self) -> bool | None:
        return self._members.has_logs() or self._checking.has_logs

    def stated(self) -> Header:
        """What its small files say."""
        self._checking.glance()
        return self.header

    def glance(self) -> Glance:
        """What its small files say; nothing else is read."""
        self._checking.glance()
        header = self.header
        known = control_file.PATH in self._checking.kept  # of a tar it comes last
        findings = tuple(control_findings(self._checking)) if known else ()
        return Glance(header=header, kind=header.kind, findings=findings)

    def events(self) -> Iterator[Event]:
        """Findings about every file, page, and record of the log that it needs; of what it builds on as well."""
        parts = parts_in(self._want.parts)
        with nameless_file(self._want.work_folder) as spool:
            self._checking.spool = spool
            self._checking.read()
            self._system_of_log = self._checking.system_of_log()
            needs = needed(self._checking)
            following = Following(self._checking, needs, parts.logs) if needs is not None else None
            found = [*judged(self._checking, following, self._names)]
            self._reach = following.reach if following is not None else None
            if self._want.rows is everything:
                self._relations = tuple(self._names.relations())
        found = [*self._members.findings, *found]
        if not self._names.databases:
            self._names.unknown["(all of them)"] = "their catalog is not in it as a whole, or can't be read"
        for name, why in self._names.unknown.items():
            found.append(note("catalog-unread", f"databases {name}: their tables can't be named: {why}"))
        if self._checking.label is not None and self._checking.label.follows is not None:
            chain = Chain(self._checking, parts)
            found += chain.findings(self._want.work_folder)
            self._more_read += chain.bytes_read
        self._more_read += sum(file.bytes_read for file in parts.logs.files) if parts.logs is not None else 0
        self._sum_up()
        self._complete = not any(finding.severity is Severity.FAULT for finding in found)
        yield from found

    def _window(self) -> Window | None:
        """What can be reached with the logs that were given with it, once all was read."""
        reach = self._reach
        if reach is None or not reach.there or reach.consistent is None or reach.end is None:
            return None
        label = self._checking.label
        return Window(
            from_=reach.ended_at or (label.started_at if label is not None else None),
            to=reach.times.last_at or reach.ended_at or (label.started_at if label is not None else None),
            from_position=position(reach.consistent),
            to_position=position(max(reach.end, reach.consistent)),
        )

    def _sum_up(self) -> None:
        """The digest of the folder, of what was read in this pass; what was not, a manifest beside tars, is small."""
        if self._want.passed is None or self._folder is None:
            return
        pass_folder(self._want.passed, self._folder, self._members.stored)

    def implied(self) -> Iterator[Entry]:
        """Definitions stand in its catalogs, which only its server reads whole."""
        yield from ()

    def of_parts(self, _blocks: Iterator[Block | Finding]) -> Reader | None:
        """It is always read whole."""
        return None

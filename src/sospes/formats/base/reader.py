"""Reads a base backup: what it is, and whether every byte of it is as it was written."""

from __future__ import annotations

from collections.abc import Iterator

from sospes.formats.base import control as control_file
from sospes.formats.base.catalog import MAP, PG_DATABASE, database_names, mapped
from sospes.formats.base.checking import Checking
from sospes.formats.base.judging import control_findings, judged
from sospes.formats.base.label import position
from sospes.formats.base.members import Members
from sospes.formats.form import Abilities, Glance, Reader, Want
from sospes.model.entries import ContentsEntry, Engine, Entry
from sospes.model.events import Event, Header, PhysicalHeader
from sospes.model.findings import Finding
from sospes.model.verdict import Severity
from sospes.places.local import LocalFolder
from sospes.places.writing import nameless_file
from sospes.stream.containers import Block
from sospes.stream.passing import digest_of, folder_digest

NAME = "pg-base"


class BaseReader:
    """One pass over the files of a base backup."""

    abilities = Abilities(gives_rows=False, from_beginning="this form is always read from its beginning")
    unsure = ""  # nothing is inferred from wording
    contents: tuple[ContentsEntry, ...] | None = None

    def __init__(self, members: Members, want: Want, folder: LocalFolder | None = None) -> None:
        self._members = members
        self._want = want
        self._folder = folder
        self._system_of_log: str | None = None
        self._checking = Checking(members)
        self._complete: bool | None = None

    @property
    def compression(self) -> str | None:
        """How its tars are packed."""
        return self._members.compression

    @property
    def bytes_read(self) -> int:
        """Bytes of files that were read by now."""
        return self._checking.bytes_read

    @property
    def plain_bytes(self) -> int:
        """The same: a folder is not packed, and of tars the plain files count."""
        return self._checking.bytes_read

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
            databases=tuple(self._databases()),
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
        return start, end, str(manifest.system) if manifest.system is not None else None

    def _logs_inside(self) -> bool | None:
        return self._members.has_logs() or self._checking.has_logs

    def _databases(self) -> list[str]:
        kept, control = self._checking.kept, self._checking.control
        relation = mapped(kept[MAP], PG_DATABASE) if MAP in kept else PG_DATABASE
        pages = kept.get(f"global/{relation}")
        return database_names(pages, control.page_size if control is not None else 8192) if pages else []

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
        """Findings about every file, page, and record of the log that it needs."""
        with nameless_file(self._want.work_folder) as spool:
            self._checking.spool = spool
            self._checking.read()
            self._system_of_log = self._checking.system_of_log()
            found = [*judged(self._checking)]
        found = [*self._members.findings, *found]
        self._sum_up()
        self._complete = not any(finding.severity is Severity.FAULT for finding in found)
        yield from found

    def _sum_up(self) -> None:
        """The digest of the folder, of what was read in this pass; what was not, a manifest beside tars, is small."""
        if self._want.passed is None or self._folder is None:
            return
        digests: dict[str, str] = {}
        for name in self._folder.names():
            passed, file = self._members.stored.get(name), self._folder.file(name)
            if passed is not None and passed.digest is not None:
                digests[name] = passed.digest
            elif file is not None:
                digests[name] = digest_of(file)
        self._want.passed.known(folder_digest(digests), self._folder.size)

    def implied(self) -> Iterator[Entry]:
        """Definitions stand in its catalogs, which only its server reads whole."""
        yield from ()

    def of_parts(self, _blocks: Iterator[Block | Finding]) -> Reader | None:
        """It is always read whole."""
        return None

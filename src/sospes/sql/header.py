"""What the comments of a script say about it: engine, versions, times, and whether it ended."""

from __future__ import annotations

import re
from dataclasses import dataclass, field

from sospes.model.entries import Engine
from sospes.model.events import Header
from sospes.sql.judging.agreement import Announced, announced_in

_POSTGRESQL_OPENING = re.compile(r"^-- PostgreSQL database (cluster )?dump\s*$")
_POSTGRESQL_CLOSING = re.compile(r"^-- PostgreSQL database (cluster )?dump complete\s*$")
_MARIADB_OPENING = re.compile(r"^-- (MariaDB|MySQL) dump (\S+)\s+(?:Distrib (\S+?),?)\s+for\b")
_MARIADB_OPENING_SHORT = re.compile(r"^-- (MariaDB|MySQL) dump (\S+)")
_MARIADB_CLOSING = re.compile(r"^-- Dump completed(?: on (\d{4}-\d\d-\d\d) +(\d{1,2}):(\d\d):(\d\d))?\s*$")
_HOST = re.compile(r"^-- Host: (.*?)\s+Database: (.*?)\s*$")
_SERVER = re.compile(r"^-- Server version\s+(\S+)")
_FROM_VERSION = re.compile(r"^-- Dumped from database version (\S+)")
_BY_VERSION = re.compile(r"^-- Dumped by (\S+ version \S+)")
_STARTED = re.compile(r"^-- Started on (.*?)\s*$")
_COMPLETED = re.compile(r"^-- Completed on (.*?)\s*$")
_TIME = re.compile(r"^(\d{4}-\d\d-\d\d) (\d\d:\d\d:\d\d)(?: (\S+))?$")
NEWEST_POSTGRESQL = 18


@dataclass(slots=True)
class HeaderNotes:
    """Collects what a script says of itself, comment by comment; `header()` sums it up so far.

    several  it names the database that its next statements are of, and may go on to others
    """

    engine: Engine | None = None
    version: str | None = None
    program: str | None = None
    server: str | None = None
    encoding: str | None = None
    started_at: str | None = None
    written_at: str | None = None
    databases: list[str] = field(default_factory=list)
    openings: int = 0
    closings: int = 0
    cluster: bool = False
    several: bool = False
    restrict_keys: list[str] = field(default_factory=list)
    transaction: str = ""
    settings_saved: bool = False
    settings_restored: bool = False
    closing_from: int = -1
    closing_tail: bool = False

    def comment(self, line: str, offset: int, ended: bool = True) -> Announced | None:
        """Take in one comment line outside of all data; what it announces comes back.

        `offset` is where it starts, in bytes of plain text; `ended` says that its line end is there.
        """
        if not ended and line.rstrip() == "-- Dump completed":
            return None  # the time may be cut off
        if line.strip() == "--":
            self.bare_line(offset)
            return None
        announced = announced_in(line)
        if announced is not None:
            return announced
        if not self._opening(line) and not self._closing(line, offset):
            self._detail(line)
        return None

    def bare_line(self, offset: int) -> None:
        """Take in a comment without words, which frames what others say."""
        self.closing_tail = self.closing_tail or (self.closings > 0 and offset > self.closing_from)

    def _opening(self, line: str) -> bool:
        if match := _POSTGRESQL_OPENING.match(line):
            self.engine = Engine.POSTGRESQL
            self.cluster = self.cluster or match[1] is not None
        elif match := _MARIADB_OPENING.match(line) or _MARIADB_OPENING_SHORT.match(line):
            distribution = match[3] if match.re is _MARIADB_OPENING else ""
            mariadb = match[1] == "MariaDB" or "MariaDB" in (distribution or "")
            self.engine = Engine.MARIADB if mariadb else Engine.MYSQL
            self.program = f"{match[1]} dump {match[2]}" + (f", {distribution}" if distribution else "")
        else:
            return False
        self.openings += 1
        return True

    def _closing(self, line: str, offset: int) -> bool:
        if _POSTGRESQL_CLOSING.match(line):
            self.closing_tail = False
        elif match := _MARIADB_CLOSING.match(line):
            self.closing_tail = True
            if match[1]:
                self.written_at = f"{match[1]}T{int(match[2]):02}:{match[3]}:{match[4]}"
        else:
            return False
        self.closings += 1
        self.closing_from = offset
        return True

    def _detail(self, line: str) -> None:
        if match := _HOST.match(line):
            self.server = self.server or match[1] or None
            if match[2]:
                self.database(match[2])
            else:
                self.cluster = True
        elif match := _SERVER.match(line):
            self.version = match[1]
            if "MariaDB" in match[1]:
                self.engine = Engine.MARIADB
        elif match := _FROM_VERSION.match(line):
            self.version = self.version or match[1]
        elif match := _BY_VERSION.match(line):
            self.program = match[1]
        elif match := _STARTED.match(line):
            self.started_at = self.started_at or _iso(match[1])
        elif match := _COMPLETED.match(line):
            self.written_at = _iso(match[1])

    def database(self, name: str) -> None:
        """A database that the script creates, connects to or names."""
        if name not in self.databases:
            self.databases.append(name)

    @property
    def complete(self) -> bool | None:
        """Whether the script's own closing is there; None when it promises none and has none."""
        if self.engine is Engine.SQLITE:
            return self.transaction == "commit" if self.transaction not in {"", "commit only"} else None
        if self.openings:
            return self.closings >= self.openings and self.closing_tail and not self.restrict_keys
        return None

    def header(self, form: str) -> Header:
        """All that is known by now, of a backup of that form."""
        return Header(
            format=form,
            engine=self.engine,
            engine_version=self.version,
            program=self.program,
            databases=tuple(self.databases),
            server=self.server,
            encoding=self.encoding,
            written_at=self.written_at or self.started_at,
            started_at=self.started_at,
            complete=self.complete,
            cluster=self.cluster,
        )


def _iso(text: str) -> str | None:
    """A time as PostgreSQL's comments write it, in ISO 8601; the zone only where it is beyond doubt."""
    match = _TIME.match(text)
    if match is None:
        return None
    zone = match[3] or ""
    if zone in {"UTC", "GMT", "Z"}:
        return f"{match[1]}T{match[2]}+00:00"
    if re.fullmatch(r"[+-]\d\d(:?\d\d)?", zone):
        return f"{match[1]}T{match[2]}{zone if len(zone) > 3 else zone + ':00'}"
    return f"{match[1]}T{match[2]}"


def major_version(version: str | None) -> int | None:
    """The first number of a version."""
    match = re.match(r"(\d+)", version or "")
    return int(match[1]) if match else None

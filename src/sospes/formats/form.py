"""What every form of backup is to the rest of the program: how it is told, opened and read.

A new form is one package with an object of the protocol `Form`, and one line in `registry.py`.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Protocol

from sospes.model.entries import ContentsEntry, Entry, Name
from sospes.model.events import Event, Header
from sospes.model.findings import Finding
from sospes.places.source import Source
from sospes.stream.containers import Block
from sospes.stream.passing import PassedBytes
from sospes.stream.plain import PlainText

Wants = Callable[[Name], bool]
"""Whether the rows of a table are wanted."""


def everything(_name: Name) -> bool:
    """Wants the rows of all tables."""
    return True


def nothing(_name: Name) -> bool:
    """Wants no rows: definitions alone."""
    return False


@dataclass(frozen=True, slots=True, kw_only=True)
class Want:
    """What of a backup is wanted. It is said when the backup is opened, and never changed afterwards.

    rows         whose rows are to come as batches; the rows of other tables are passed over
    check_pages  whether the engine checks a database file's pages and references, too
    parts        places with what belongs to it: logs, and what an increment builds on
    passed       takes the digest of the stored bytes, where the reader reads them by itself
    head_only    only its head is looked at: nothing is unpacked or copied for more
    work_folder  where temporary copies go; None for the system's own place
    """

    rows: Wants = everything
    check_pages: bool = True
    head_only: bool = False
    parts: tuple[Path, ...] = ()
    passed: PassedBytes | None = None
    work_folder: Path | None = None


@dataclass(frozen=True, slots=True)
class Head:
    """The beginning of a backup's plain text.

    whole  nothing follows it
    ratio  plain bytes for each stored byte, as far as was looked
    """

    plain: bytes
    containers: tuple[str, ...]
    characters: str | None
    whole: bool
    ratio: float = 1.0


@dataclass(frozen=True, slots=True)
class Stored:
    """A backup as it lies somewhere: its stored bytes, their plain text, and the beginning of that."""

    source: Source
    text: PlainText
    head: Head


@dataclass(frozen=True, slots=True, kw_only=True)
class Abilities:
    """What a form is able to do; consumers ask for this instead of the form's name.

    one_text         places in it are offsets into one plain text, from which parts can be read again
    defines_all      what its rows and keys refer to is defined in it, so what is missing is a defect
    contents_first   its contents are listed before its data
    gives_rows       rows can be read from it without its engine's server
    from_beginning   why reading always begins at its first byte; empty where it needn't
    takes_parts      what belongs to it may be given with it
    """

    one_text: bool = False
    defines_all: bool = False
    contents_first: bool = False
    gives_rows: bool = True
    from_beginning: str = ""
    takes_parts: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Glance:
    """What is learnt of a backup without reading it through.

    header   who wrote it, of what, when
    several  further databases may follow
    kind     full, schema-only or data-only, where its contents tell
    entries  what is in it; None where only reading it through would tell
    tables   those that it is seen to define, which need not be all; they tell unnamed databases apart
    findings what is wrong with what was looked at
    """

    header: Header
    several: bool = False
    kind: str | None = None
    entries: tuple[Entry, ...] | None = None
    tables: tuple[Name, ...] = ()
    findings: tuple[Finding, ...] = ()


class Reader(Protocol):
    """Reads one backup, from its first byte to its last, in memory that doesn't grow with it."""

    abilities: Abilities

    @property
    def header(self) -> Header:
        """Who wrote it, of what, when; as far as it was read."""
        ...

    @property
    def unsure(self) -> str:
        """Why what is inferred from its wording is not sure; empty where a backup program surely wrote it."""
        ...

    @property
    def contents(self) -> tuple[ContentsEntry, ...] | None:
        """The table of contents, in order; None where the form has none."""
        ...

    @property
    def compression(self) -> str | None:
        """How the data are packed inside of the form, within any container around all of it."""
        ...

    @property
    def bytes_read(self) -> int:
        """Stored bytes that were read by now."""
        ...

    @property
    def plain_bytes(self) -> int:
        """Bytes of plain text, or of plain data, that were read by now."""
        ...

    def stated(self) -> Header:
        """What its head says of it, before it is read."""
        ...

    def glance(self) -> Glance:
        """What can be learnt without reading it through; nothing else is read from this reader then."""
        ...

    def events(self) -> Iterator[Event]:
        """Entries, rows and findings in stored order; damage is a finding, not an exception."""
        ...

    def implied(self) -> Iterator[Entry]:
        """Definitions that no entry holds and a restore carries out all the same, as owners in contents."""
        ...

    def of_parts(self, blocks: Iterator[Block | Finding]) -> Reader | None:
        """The same backup, read from parts of its text; None where the form is always read whole."""
        ...


@dataclass(frozen=True, slots=True, kw_only=True)
class Words:
    """How a form is spoken of: what people call it, and what is said of one that is whole, cut off, or nobody knows.

    unknown_packed  what is said where nobody knows, and a container is around it
    checked         what a verification has looked at, beside every byte
    proven_by       the command that proves most of it
    """

    title: str
    whole: str
    cut_off: str
    unknown: str = "unknown"
    unknown_packed: str = "unknown"
    checked: str = "every row's shape checked"
    proven_by: str = "rehearse"


class Form(Protocol):
    """A form of backup. `name` is the one that documents have as the format.

    many  the files of a folder of this form are something by themselves, too
    """

    name: str
    many: bool
    words: Words

    def recognise(self, head: Head) -> bool:
        """Whether a backup is of this form, by its first bytes alone and never by its name."""
        ...

    def is_folder(self, path: Path) -> bool:
        """Whether a folder is one backup of this form."""
        ...

    def open(self, stored: Stored, want: Want) -> Reader | Finding:
        """A reader for it; a finding where what it needs first is damaged."""
        ...

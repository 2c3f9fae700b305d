"""Opens a backup: finds its form and gives the reader for it."""

from __future__ import annotations

import io
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from pathlib import Path
from typing import Protocol

from sospes.formats.form import Form, Head, Reader, Stored, Want, Wants, everything
from sospes.formats.registry import FORMS, words_of
from sospes.formats.strangers import impostor, stranger
from sospes.model.entries import Engine
from sospes.model.errors import CannotCheck, NoRoom, NotFound, SospesError
from sospes.model.events import Event
from sospes.model.findings import Finding, doubt, fault, note, some
from sospes.model.moments import Reached
from sospes.places.local import local_folder
from sospes.places.registry import open_source
from sospes.places.source import Source
from sospes.places.streamed import ReadOnce, Streamed
from sospes.sql.judging.authorship import weakened
from sospes.stream.containers import Block
from sospes.stream.passing import PassedBytes
from sospes.stream.plain import MOST_RATIO, PlainText

HEAD_SIZE = 1 << 20
MOST_HEAD = 8 << 20
"""Plain bytes of the head that are looked at to learn how well the backup is packed."""
NO_HEAD = Head(b"", (), None, False)
_ENDINGS = {
    ".gz": "gzip", ".gzip": "gzip", ".tgz": "gzip",
    ".bz2": "bzip2", ".xz": "xz", ".zst": "zstandard", ".zstd": "zstandard", ".lz4": "lz4",
}  # fmt: skip
_PLAIN_ENDINGS = frozenset({".sql", ".dump", ".txt", ".db", ".sqlite", ".sqlite3"})


@dataclass(frozen=True, slots=True)
class Opened:
    """A backup that was opened.

    stored    its bytes, their plain text, and the beginning of that
    form      the name of its form; None if it is of none that is known
    reader    reads it; None if it is of no known form, or if what the form needs first is damaged
    findings  what was found while it was opened
    through   it is read through a side copy, so that what is wrong with it touches all of it
    """

    name: str
    stored: Stored
    form: str | None
    reader: Reader | None
    findings: tuple[Finding, ...] = ()
    through: bool = False

    @property
    def source(self) -> Source:
        """Its stored bytes."""
        return self.stored.source

    @property
    def head(self) -> Head:
        """The beginning of its plain text."""
        return self.stored.head

    @property
    def containers(self) -> tuple[str, ...]:
        """The containers around the backup, outermost first."""
        return tuple(self.stored.text.containers) or self.head.containers

    @property
    def characters(self) -> str | None:
        """What its text is saved as, where its first bytes tell."""
        return self.stored.text.characters or self.head.characters

    @property
    def compression(self) -> str | None:
        """All that its bytes are packed in, from outside in; None if they aren't."""
        inside = self.reader.compression if self.reader is not None else None
        return "+".join((*self.containers, *((inside,) if inside else ()))) or None

    @property
    def engine(self) -> Engine | None:
        """The engine that it comes from, as far as was read."""
        return self.reader.header.engine if self.reader else None

    @property
    def bytes_read(self) -> int:
        """Stored bytes that were read by now."""
        return self.reader.bytes_read if self.reader is not None else self.stored.text.bytes_read

    @property
    def plain_bytes(self) -> int:
        """Bytes of plain text, or of plain data, that were read by now."""
        return self.reader.plain_bytes if self.reader is not None else self.stored.text.plain_bytes

    @property
    def plain_estimate(self) -> int | None:
        """About how many bytes the plain text has; None for standard input."""
        size = self.source.size
        return None if size is None else int(size * max(1.0, self.head.ratio))

    def events(self) -> Iterator[Event]:
        """All events; what was found while opening comes first. Places carry the file's name."""
        for finding in self.findings:
            yield finding.at(file=self.name)
        events = self.reader.events() if self.reader else self._unread()
        try:
            for event in events:
                yield self.placed(event) if isinstance(event, Finding) else event
        except (SospesError, OSError, MemoryError):
            raise
        # Our own error is a doubt about this backup, never its fault.
        except Exception as error:  # a defect of ours: it must cost no other backup its verdict
            yield unreadable(error).at(file=self.name, stored_from=self.bytes_read)

    def _unread(self) -> Iterator[Finding]:
        """Of an unknown form only the containers can be checked."""
        for block in self.stored.text.blocks():
            if isinstance(block, Finding):
                yield block

    def weighed(self, finding: Finding) -> Finding:
        """A finding as it counts for who wrote the backup, with the file's name."""
        unsure = self.reader.unsure if self.reader is not None else ""
        return (weakened(finding, unsure) if unsure else finding).at(file=finding.place.file or self.name)

    def placed(self, finding: Finding) -> Finding:
        """A finding as it counts, with the file's name, and the stored bytes that its plain text came from."""
        finding = self.weighed(finding)
        place = finding.place
        parts: dict[str, int | str | None] = {}
        one_text = self.reader is None or self.reader.abilities.one_text
        if one_text and place.plain_from is not None and place.stored_from is None:
            plain_to = place.plain_to if place.plain_to is not None else place.plain_from
            parts["stored_from"], parts["stored_to"] = self.stored.text.stored_range(place.plain_from, plain_to)
        return finding.at(**parts)


def unreadable(error: Exception) -> Finding:
    """What is said where Sospes itself fails over a backup's bytes."""
    return doubt(
        "unreadable",
        f"an error inside Sospes: {type(error).__name__}: {error}",
        "of this backup nothing is proven; please report this, with the file if it may be shown",
    )


class Through(Protocol):
    """A backup that can't be read row by row, whose rows come from a side copy on its own engine's server."""

    @property
    def path(self) -> Path:
        """The backup."""
        ...

    @property
    def findings(self) -> tuple[Finding, ...]:
        """What was found while the side copy was made."""
        ...

    @property
    def reached(self) -> Reached | None:
        """The moment that it was brought to."""
        ...

    @property
    def seconds(self) -> float:
        """How long that took."""
        ...

    def script(self, wants: Wants) -> Source | None:
        """What is in it as a script, with the rows of the wanted tables; None where the side copy failed."""
        ...


@dataclass(frozen=True, slots=True, kw_only=True)
class Opening:
    """How to open a backup: where temporary copies go, whose rows are wanted, and standard input.

    check_pages   has a database file's pages and references checked by the engine, too
    unpack_ratio  data that unpack to more bytes than so many for each stored one are not read on
    note_starts   notes where members and blocks begin that can be unpacked on their own
    passed        takes the digest of the stored bytes as they are read
    head_only     only the head is looked at: nothing is unpacked or copied for more
    parts         places with what belongs to the backup
    through       gives the rows of a backup that can't be read row by row
    head_size     bytes of the beginning that are looked at, and of plain text at most
    """

    work_folder: Path | None = None
    wants: Wants = everything
    stdin: ReadOnce | None = None
    check_pages: bool = True
    unpack_ratio: int = MOST_RATIO
    note_starts: bool = False
    passed: PassedBytes | None = None
    head_only: bool = False
    head_size: int = HEAD_SIZE
    parts: tuple[Path, ...] = ()
    through: Through | None = None

    @property
    def reached(self) -> Reached | None:
        """The moment whose rows are given, where logs played a part."""
        return self.through.reached if self.through is not None else None


def open_backup(paths: Sequence[Path], options: Opening) -> Opened:
    """Open the backup in `paths`, several of them being its pieces in order.

    Raises NotFound, UsageError or CannotCheck where the files can't be read at all.
    """
    if options.through is not None and list(paths) == [options.through.path]:
        return _through(options.through, options)
    folder = next((form for form in FORMS if len(paths) == 1 and form.is_folder(paths[0])), None)
    if folder is not None:
        source: Source = local_folder(paths[0])
        head = NO_HEAD
        return _opened(Stored(source, PlainText(source), head), folder, options, [])
    source = open_source(paths, options.stdin)
    if options.passed is not None:
        source = options.passed.watch(source)
    head = _read_head(source.head(options.head_size), source.size, options.head_size)
    stored = Stored(source, PlainText(source, options.unpack_ratio, note_starts=options.note_starts), head)
    findings = [*_ending_note(source, head.containers)]
    # A web page may hold words of SQL, and an encrypted file any bytes: such are told before any form is asked.
    unfit = impostor(head)
    form = None if unfit else next((form for form in FORMS if form.recognise(head)), None)
    if form is not None:
        return _opened(stored, form, options, findings)
    unfit = unfit or stranger(head)
    if head.containers and unfit.code == "empty":
        unfit = fault(
            "nothing-inside", f"nothing can be unpacked from the {head.containers[0]} data", "take the backup again"
        )
    return Opened(source.name, stored, None, None, (*findings, unfit))


def _through(side: Through, options: Opening) -> Opened:
    """A backup that is read as the script of its side copy; of no form where there is none."""
    name, source = str(side.path), side.script(options.wants)
    if source is None:
        nothing_there = Streamed(name, io.BytesIO())
        return Opened(name, Stored(nothing_there, PlainText(nothing_there), NO_HEAD), None, None, side.findings)
    head = _read_head(source.head(options.head_size), source.size, options.head_size)
    stored = Stored(source, PlainText(source, options.unpack_ratio), head)
    form = next(form for form in FORMS if form.recognise(head))
    opened = _opened(stored, form, replace(options, parts=()), list(side.findings))
    return replace(opened, name=name, through=True)


def _opened(stored: Stored, form: Form, options: Opening, findings: list[Finding]) -> Opened:
    want = Want(
        rows=options.wants, check_pages=options.check_pages, head_only=options.head_only,
        passed=options.passed, work_folder=options.work_folder, parts=options.parts,
    )  # fmt: skip
    reader = form.open(stored, want)
    if isinstance(reader, Finding):
        return Opened(stored.source.name, stored, form.name, None, (*findings, reader))
    if options.parts and not reader.abilities.takes_parts:
        findings.append(_parts_unused(options.parts, form))
    return Opened(stored.source.name, stored, form.name, reader, tuple(findings))


def _parts_unused(parts: Sequence[Path], form: Form) -> Finding:
    """Raises NotFound for a place that isn't there."""
    for place in parts:
        if not place.exists():
            raise NotFound(f"{place}: no such file or folder", "check the path")
    said = f"{some(list(map(str, parts)), 3)}: not read, as a {form.words.title} is checked by itself"
    return note("parts-unused", said, "logs and chains belong to base backups")


def _read_head(stored: bytes, size: int | None, head_size: int) -> Head:
    """Unpack the beginning of a backup, of which `stored` are the first bytes and `size` the length."""
    text = PlainText(Streamed("head", io.BytesIO(stored)))
    parts: list[bytes] = []
    length = 0
    stored_to = 1
    for block in text.blocks():
        if isinstance(block, Block):
            if length < head_size:
                parts.append(block.data)
            length += len(block.data)
            stored_to = block.stored_to or stored_to
            if length >= min(MOST_HEAD, 8 * head_size):
                break
    stored_whole = len(stored) < head_size if size is None else len(stored) == size
    plain = b"".join(parts)[:head_size]
    whole = stored_whole and length == len(plain)
    return Head(plain, tuple(text.containers), text.characters, whole, length / stored_to)


def _ending_note(source: Source, containers: tuple[str, ...]) -> Iterator[Finding]:
    """A name's ending that says something else than the bytes do."""
    path = source.path
    if path is None:
        return
    ending = path.suffix.lower()
    promised = _ENDINGS.get(ending)
    found = containers[0] if containers else None
    if promised is not None and promised != found:
        yield note("wrong-ending", f"the name ends in {ending}, but the content is {found or 'not compressed'}")
    elif promised is None and found is not None and ending in _PLAIN_ENDINGS:
        yield note("wrong-ending", f"the name ends in {ending}, but the content is compressed with {found}")


def require_rows(opened: Opened) -> None:
    """Raises CannotCheck for a form that gives no rows without its engine's server."""
    if opened.reader is not None and not opened.reader.abilities.gives_rows:
        raise CannotCheck(
            f"{opened.name}: the rows of a {words_of(opened.form or '').title} can't be read from its bytes alone",
            "a base backup in a folder gives them as BACKUP or LEFT, through a private server; verify checks the bytes",
        )


def require_room(folder: Path, need: int, what: str) -> None:
    """Raises NoRoom unless `need` bytes are free in `folder`."""
    import shutil

    try:
        free = shutil.disk_usage(folder).free
    except OSError as error:
        raise CannotCheck(
            f"{folder}: {error.strerror}", "name a folder that exists with --work-folder FOLDER"
        ) from error
    if free < need:
        raise NoRoom(
            f"{folder}: {what} needs {need:,} bytes, only {free:,} are free",
            "name another place with --work-folder FOLDER, or single tables with --table NAME",
        )

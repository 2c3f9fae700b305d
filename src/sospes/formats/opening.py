"""Opens a backup: finds its form and gives the reader for it."""

from __future__ import annotations

import io
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field
from pathlib import Path
from typing import Protocol

from sospes.formats.recognise import Recognised, recognise
from sospes.formats.script.authorship import weakened
from sospes.model.entries import Engine, Name
from sospes.model.errors import CannotCheck, SospesError
from sospes.model.events import Event, Header
from sospes.model.findings import Finding, doubt, fault, note
from sospes.places.source import Readable, Source, open_source
from sospes.stream.containers import Block
from sospes.stream.plain import MOST_RATIO, PlainText

HEAD_SIZE = 1 << 20
MOST_HEAD = 8 << 20
"""Plain bytes of the head that are looked at to learn how well the backup is packed."""
_ENDINGS = {
    ".gz": "gzip", ".gzip": "gzip", ".tgz": "gzip",
    ".bz2": "bzip2", ".xz": "xz", ".zst": "zstandard", ".zstd": "zstandard", ".lz4": "lz4",
}  # fmt: skip
_PLAIN_ENDINGS = frozenset({".sql", ".dump", ".txt", ".db", ".sqlite", ".sqlite3"})


class Reader(Protocol):
    """Reads one form of backup, from its first byte to its last, in memory that doesn't grow with it.

    `wants` tells whose rows are to come as batches; the rows of other tables are passed over.
    """

    wants: Callable[[Name], bool]

    @property
    def header(self) -> Header:
        """Who wrote it, of what, when; as far as it was read."""
        ...

    @property
    def unsure(self) -> str:
        """Why what is inferred from its wording is not sure; empty where a backup program surely wrote it."""
        ...

    def events(self) -> Iterator[Event]:
        """Entries, rows and findings in stored order; damage is a finding, not an exception."""
        ...


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


@dataclass(slots=True)
class Opened:
    """A backup that was opened: its source, its text, and the reader, None if it is no known form."""

    name: str
    source: Source
    text: PlainText
    head: Head
    reader: Reader | None
    form: str | None
    findings: list[Finding] = field(default_factory=list)

    @property
    def compression(self) -> str | None:
        """The containers around the backup, outermost first; None without any."""
        return "+".join(self.text.containers) or None

    def engine(self) -> Engine | None:
        """The engine that it comes from, as far as was read."""
        return self.reader.header.engine if self.reader else None

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
        except Exception as error:  # a defect of ours: it must cost no other backup its verdict
            yield unreadable(error).at(file=self.name, stored_from=self.text.bytes_read)

    def _unread(self) -> Iterator[Finding]:
        """Of an unknown form only the containers can be checked."""
        for block in self.text.blocks():
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
        if self.form != "pg-archive" and place.plain_from is not None and place.stored_from is None:
            plain_to = place.plain_to if place.plain_to is not None else place.plain_from
            parts["stored_from"], parts["stored_to"] = self.text.stored_range(place.plain_from, plain_to)
        return finding.at(**parts)


def unreadable(error: Exception) -> Finding:
    """What is said where Sospes itself fails over a backup's bytes."""
    return doubt(
        "unreadable",
        f"an error inside Sospes: {type(error).__name__}: {error}",
        "of this backup nothing is proven; please report this, with the file if it may be shown",
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Opening:
    """How to open a backup: where temporary copies go, whose rows are wanted, and standard input.

    `check_pages` has a database file's pages and references checked by the engine, too. Data that unpack to more
    than `unpack_ratio` bytes for each stored one are not read on.
    """

    work_folder: Path | None = None
    wants: Callable[[Name], bool] | None = None
    stdin: Readable | None = None
    check_pages: bool = True
    unpack_ratio: int = MOST_RATIO


def open_backup(paths: Sequence[Path], options: Opening) -> Opened:
    """Open the backup in `paths`, several of them being its pieces in order.

    Raises NotFound, UsageError or CannotCheck where the files can't be read at all.
    """
    if len(paths) == 1 and (paths[0] / "toc.dat").is_file():
        return _open_directory(paths[0], options)
    source = open_source(paths, options.stdin)
    stored = source.head(HEAD_SIZE)
    head = _read_head(stored, source.size)
    text = PlainText(source, options.unpack_ratio)
    found = recognise(head.plain, head.whole)
    opened = Opened(source.name, source, text, head, None, None)
    opened.findings.extend(_ending_note(source, head.containers))
    if isinstance(found, Finding):
        if head.containers and found.code == "empty":
            found = fault(
                "nothing-inside",
                f"nothing can be unpacked from the {head.containers[0]} data",
                "take the backup again",
            )
        opened.findings.append(found)
        return opened
    opened.form = found.form
    opened.reader = _reader(found, opened, options)
    return opened


def _open_directory(folder: Path, options: Opening) -> Opened:
    """A directory with a table of contents is one backup."""
    from sospes.formats.archive.opening import open_directory

    source = open_source([path for path in sorted(folder.iterdir()) if path.is_file() and not path.is_symlink()])
    source.name = str(folder)
    head = Head(b"", (), None, False)
    opened = Opened(str(folder), source, PlainText(source), head, None, "pg-archive")
    reader = open_directory(folder, options.wants)
    if isinstance(reader, Finding):
        opened.findings.append(reader)
    else:
        opened.reader = reader
        opened.text.bytes_read = source.size or 0
    return opened


def _open_archive(opened: Opened, options: Opening) -> Reader | None:
    """A single-file or tar archive; a finding if its contents can't be read."""
    from sospes.formats.archive.opening import open_single

    plain_path = None if opened.head.containers else opened.source.path
    reader = open_single(plain_path, opened.text, options.wants)
    if isinstance(reader, Finding):
        opened.findings.append(reader)
        return None
    if plain_path is not None:
        opened.text.bytes_read = opened.text.plain_bytes = opened.source.size or 0
    return reader


def _reader(found: Recognised, opened: Opened, options: Opening) -> Reader | None:
    if found.form == "sqlite-file":
        from sospes.formats.sqlite.reader import SqliteReader

        database = SqliteReader(opened.source, opened.text, options.work_folder, options.wants)
        database.check_pages = options.check_pages
        return database
    if found.form == "pg-archive":
        return _open_archive(opened, options)
    from sospes.formats.script.reader import ScriptReader

    assert found.lexis is not None  # scripts always come with one
    return ScriptReader(opened.text.blocks(), found.lexis, options.wants)


def _read_head(stored: bytes, size: int | None) -> Head:
    """Unpack the beginning of a backup, of which `stored` are the first bytes and `size` the length."""
    text = PlainText(Source("head", stream=io.BytesIO(stored)))
    parts: list[bytes] = []
    length = 0
    stored_to = 1
    for block in text.blocks():
        if isinstance(block, Block):
            if length < HEAD_SIZE:
                parts.append(block.data)
            length += len(block.data)
            stored_to = block.stored_to or stored_to
            if length >= MOST_HEAD:
                break
    stored_whole = len(stored) < HEAD_SIZE if size is None else len(stored) == size
    plain = b"".join(parts)[:HEAD_SIZE]
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


def require_room(folder: Path, need: int, what: str) -> None:
    """Raises NoRoom unless `need` bytes are free in `folder`."""
    import shutil

    from sospes.model.errors import NoRoom

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

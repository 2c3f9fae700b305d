"""What is wrong with a base backup that was read: files, pages, control file, label, and the log that it needs."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from sospes.formats.base import control as control_file
from sospes.formats.base import label as label_file
from sospes.formats.base.catalog import map_holds
from sospes.formats.base.checking import COPY, MAPS, MOST_BAD, SEGMENT, USUAL, Checking, Seen
from sospes.formats.base.control import Control, State, is_intact, read_control
from sospes.formats.base.label import Label
from sospes.formats.base.manifest import Listed, Manifest
from sospes.formats.base.names import Names
from sospes.formats.base.needed import Following, Reach
from sospes.formats.base.pages import BadPage, file_of
from sospes.model.findings import Finding, Place, doubt, fault, note, some
from sospes.model.moments import position

_UNLISTED = ("pg_wal/", "backup_manifest")
_BY_SETTINGS = frozenset({"postgresql.auto.conf", "standby.signal", "recovery.signal"})
"""What the option that writes recovery settings adds or changes after the manifest was written."""

PAGES_TOLD = 5
_SHUT_DOWN = frozenset({State.SHUT_DOWN, State.SHUT_DOWN_IN_RECOVERY})


def judged(read: Checking, following: Following | None, names: Names) -> Iterator[Finding]:
    """All that is wrong, once everything was read; `following` follows its log."""
    yield from control_findings(read)
    for path, data in sorted(read.kept.items()):
        if MAPS.fullmatch(path) and not map_holds(data):
            said = f"{path}: its checksum doesn't hold: tables can't be found by it"
            yield fault("map-damaged", said, COPY, Place(file=path))
    if read.manifest is not None:
        yield from _against(read, read.manifest, names)
    elif read.unproven is not None:
        yield read.unproven
    else:
        yield note(
            "manifest-missing",
            "the backup has no manifest: only pages with checksums, the control file and the log are covered",
            "take backups with a manifest, as the server's program does by default",
        )
    yield from _segment_sizes(read)
    logs = [*following.findings()] if following is not None else []
    yield from _pages(read, following.reach if following is not None else None, names)
    yield from logs
    if read.manifest is None and following is not None and following.reach.there and not following.reach.moved:
        yield from _without_files(names)


def _segment_sizes(read: Checking) -> Iterator[Finding]:
    """Segments of the log inside that don't have the length that all have."""
    if read.control is None:
        return
    wanted = read.control.log_segment_size
    for path, seen in read.seen.items():
        if SEGMENT.fullmatch(path) and seen.size != wanted:
            said = f"{path} has {seen.size:,} bytes, where {wanted:,} belong: it was cut off, or something was added"
            yield fault("log-cut", said, COPY, Place(file=path, stored_from=min(seen.size, wanted)))


def _without_files(names: Names) -> Iterator[Finding]:
    """What the catalogs list and has no file, where nothing was made or removed while the backup was taken."""
    gone = list(names.without_files())
    for one in gone[:MOST_BAD]:
        yield fault(
            "file-missing",
            f"{one.kind} {one.label} of database {one.database} has no file, though the catalog lists it",
            COPY,
            Place(database=one.database, schema=one.schema, table=one.name),
        )
    if len(gone) > MOST_BAD:
        yield fault("file-missing", f"{len(gone) - MOST_BAD:,} more tables and indexes have no files", COPY)


def control_findings(read: Checking) -> Iterator[Finding]:
    """What is wrong with control file and label."""
    data, label = read.kept.get(control_file.PATH), read.label
    place = Place(file=control_file.PATH)
    if data is None:
        yield fault("control-missing", "the control file is not there: no server starts without it", COPY, place)
        return
    intact, control = is_intact(data), read_control(data)
    if intact is None:
        said = "the control file is of a version that is not known here"
        yield doubt("control-unknown", said, "use a newer version of Sospes", place)
    elif not intact or control is None:
        said = "the control file's checksum doesn't hold: no server starts with it"
        yield fault("control-damaged", said, COPY, place)
        return
    if control is not None:
        yield from _version_findings(read, control)
    if label_file.PATH in read.kept and label is None:
        said = "the label can't be read: a server doesn't know where to begin"
        yield fault("label-damaged", said, COPY, Place(file=label_file.PATH))
    elif label is not None and control is not None:
        yield from _label_findings(control, label)
    elif label is None and "postmaster.pid" in read.kept:
        said = "this is the data folder of a server that runs, or was copied while it ran: it is no backup"
        yield doubt("server-running", said, "take a base backup of it", Place(file="postmaster.pid"))
    elif label is None and control is not None and control.state not in _SHUT_DOWN:
        yield doubt(
            "label-missing",
            "there is no label, and the server was not shut down when this was copied: it can be made whole only if "
            "all of it was copied in one moment, as a storage's snapshot is",
            "find out how it was taken; take a base backup to be sure",
        )


def _label_findings(control: Control, label: Label) -> Iterator[Finding]:
    """What doesn't fit between a label and the control file, which is copied last."""
    place = Place(file=label_file.PATH)
    if control.redo < label.start:
        said = (
            f"the label is of a backup that began at {position(label.start)}, and the control file was written before, "
            f"at {position(control.redo)}: they are not of one backup"
        )
        yield fault("label-foreign", said, COPY, place)
    wanted = State.ARCHIVE_RECOVERY if label.standby else State.IN_PRODUCTION
    if control.state is not wanted:
        whom = "a standby that follows" if label.standby else "a server at work"
        state = control.state.name.lower().replace("_", " ")
        said = f"the label says that it was taken from {whom}, and the control file's state is: {state}"
        yield doubt("label-foreign", said, "find out whether both are of one backup", place)


def _version_findings(read: Checking, control: Control) -> Iterator[Finding]:
    """Whether the version that stands beside the control file is one that writes such a file."""
    said = read.kept.get("PG_VERSION", b"").decode("ascii", "replace").strip()
    known = control_file.SERVERS.get(control.version)
    if said and known is not None and said not in known:
        yield fault(
            "version-foreign",
            f"PG_VERSION says {said}, and the control file is of version {' or '.join(known)}",
            COPY,
            Place(file="PG_VERSION"),
        )


def _against(read: Checking, manifest: Manifest, names: Names) -> Iterator[Finding]:
    """Every file that the manifest lists, and those that it doesn't."""
    settings = any(path in read.seen for path in ("standby.signal", "recovery.signal"))
    gone = [path for path in manifest.files if path not in read.seen]
    for path in gone[:MOST_BAD]:
        said = f"{path} is in the manifest, and not there{names.said(path)}"
        yield fault("file-missing", said, COPY, names.place(path))
    if len(gone) > MOST_BAD:
        yield fault("file-missing", f"{len(gone) - MOST_BAD:,} more files of the manifest are not there", COPY)
    for path, listed in manifest.files.items():
        finding = _unlike(path, listed, read.seen[path], names) if path in read.seen else None
        if finding is not None and path in _BY_SETTINGS and settings:
            said = f"{path} was changed when the backup was made ready to follow another server"
            yield note("settings-added", said)
        elif finding is not None:
            yield finding
    strange = [
        path
        for path in read.seen
        if path not in manifest.files and not path.startswith(_UNLISTED) and not (settings and path in _BY_SETTINGS)
    ]
    if strange:
        yield doubt(
            "file-foreign",
            f"{len(strange):,} files are there that the manifest doesn't list: {some(strange, 5)}",
            "find out who put them there: a server would read some of them",
            Place(file=strange[0]),
        )


def _unlike(path: str, listed: Listed, seen: Seen, names: Names) -> Finding | None:
    """What a file has otherwise than the manifest says."""
    found = seen.sums.get(listed.algorithm)
    place = replace(names.place(path), stored_from=0, stored_to=seen.size)
    of = names.said(path)
    if seen.size != listed.size:
        said = f"{path} has {seen.size:,} bytes, {listed.size:,} are in the manifest{of}"
        return fault("file-resized", said, COPY, place)
    if not listed.algorithm or found == listed.checksum:
        return None
    if found is None:
        said = f"{path}: its {listed.algorithm} was not taken, as the manifest came last"
        return doubt("checksum-unread", said, "unpack the tar, and verify the folder", place)
    inside = [f"page {page.number:,}" for page in seen.bad]
    where = f"; it is so in {some(inside, PAGES_TOLD)}" if inside else ""
    said = f"{path} is not as it was written: its {listed.algorithm} is another one{where}{of}"
    return fault("checksum-mismatch", said, COPY, place)


def _pages(read: Checking, reach: Reach | None, names: Names) -> Iterator[Finding]:
    """Pages that can't be as they are, in files that are as they were written, or that no manifest covers.

    Those that the log makes whole again are no loss.
    """
    control = read.control
    if control is None:
        return
    if read.assumed and (control.page_size, control.segment_pages) != USUAL:
        said = f"its pages have {control.page_size:,} bytes, which a tar says only in the end: they were not checked"
        yield doubt("pages-unread", said, "unpack the tars, and verify the folder")
        return
    whole = reach.whole if reach is not None else set()
    end = (reach.consistent or reach.needs.end) if reach is not None and read.label is not None else None
    for path, seen in read.seen.items():
        of = file_of(path)
        if of is None:
            continue
        listed = read.manifest.files.get(path) if read.manifest is not None else None
        same = listed is not None and bool(listed.algorithm) and seen.sums.get(listed.algorithm) == listed.checksum
        if listed is not None and listed.algorithm and not same:
            continue  # it is told with the file's checksum
        if seen.problem:
            said = f"{path}: {seen.problem}{names.said(path)}"
            yield fault("increment-damaged", said, COPY, names.place(path))
        first = of.part * control.segment_pages
        bad = [page for page in seen.bad if control.checksums or not page.is_by_checksum]
        bad = [page for page in bad if of.block(first + page.number) not in whole]
        told = [_page(path, page, read, names, same=same) for page in bad]
        yield from told[:PAGES_TOLD]
        if len(told) > PAGES_TOLD:
            yield replace(told[PAGES_TOLD], message=f"{path}: {len(told) - PAGES_TOLD:,} more pages that can't be")
        newest, number = seen.newest
        if end is not None and newest > end and of.fork is None and of.block(first + number) not in whole:
            yield _too_new(path, seen.newest, end, names)


def _too_new(path: str, newest: tuple[int, int], end: int, names: Names) -> Finding:
    """A page that is newer than the end of the backup that it is in."""
    return fault(
        "page-too-new",
        f"{path}: page {newest[1]:,} says that it was changed at {position(newest[0])}, and the backup ended at "
        f"{position(end)}: it is of another time, or of another cluster{names.said(path)}",
        COPY,
        names.place(path),
    )


def _page(path: str, page: BadPage, read: Checking, names: Names, *, same: bool) -> Finding:
    """A page that can't be: since when, and whether the log may make it whole."""
    size = read.control.page_size if read.control is not None else USUAL[0]
    begin = page.number * size
    place, of = names.place(path), file_of(path)
    if of is None or not of.increment:
        place = replace(place, stored_from=begin, stored_to=begin + size)
    if of is not None and of.fork in {"fsm", "vm"}:
        said = f"{path}: page {page.number:,}: {page.problem}; a server makes such pages anew"
        return note("map-page-damaged", said, place=place)
    what = f"{path}: page {page.number:,}{names.said(path)}: {page.problem}"
    if read.label is not None and page.log_position >= read.label.start:
        return doubt(
            "page-torn",
            f"{what}, and it is newer than the backup's beginning: it may have been written while it was copied, and "
            "then the log makes it whole",
            "restore it with the log that belongs to it, and have the server check that table",
            place,
        )
    when = "the manifest agrees with it: it was so when the backup was taken" if same else "nothing says since when"
    return fault("page-damaged", f"{what}; {when}", COPY, place)

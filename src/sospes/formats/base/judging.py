"""What is wrong with a base backup that was read: files, pages, control file, label, and the log that it needs."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from sospes.formats.base import control as control_file
from sospes.formats.base import label as label_file
from sospes.formats.base.catalog import map_holds
from sospes.formats.base.checking import COPY, MAPS, MOST_BAD, USUAL, Checking, Seen
from sospes.formats.base.control import Control, State, is_intact, read_control
from sospes.formats.base.images import Block, block_at
from sospes.formats.base.label import Label, position
from sospes.formats.base.log import Log, segment_name
from sospes.formats.base.manifest import Listed, Manifest, Range
from sospes.formats.base.pages import BadPage
from sospes.model.findings import Finding, Place, doubt, fault, note, some

_UNLISTED = ("pg_wal/", "backup_manifest")
_BY_SETTINGS = frozenset({"postgresql.auto.conf", "standby.signal", "recovery.signal"})
"""What the option that writes recovery settings adds or changes after the manifest was written."""

PAGES_TOLD = 5
_SHUT_DOWN = frozenset({State.SHUT_DOWN, State.SHUT_DOWN_IN_RECOVERY})


def judged(read: Checking) -> Iterator[Finding]:
    """All that is wrong, once everything was read."""
    yield from control_findings(read)
    for path, data in sorted(read.kept.items()):
        if MAPS.fullmatch(path) and not map_holds(data):
            said = f"{path}: its checksum doesn't hold: tables can't be found by it"
            yield fault("map-damaged", said, COPY, Place(file=path))
    if read.manifest is not None:
        yield from _against(read, read.manifest)
    elif read.unproven is not None:
        yield read.unproven
    else:
        yield note(
            "manifest-missing",
            "the backup has no manifest: only pages with checksums, the control file and the log are covered",
            "take backups with a manifest, as the server's program does by default",
        )
    whole: set[Block] = set()
    logs = [*_logs(read, whole)]
    yield from _pages(read, whole)
    yield from logs
    if read.label is not None and read.label.follows is not None:
        begins = position(read.label.follows[0])
        yield doubt(
            "base-missing",
            f"it is incremental: it builds on the backup that begins at {begins}, which was not given",
            "verify that one, too; only both together can be restored",
        )


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
    if label_file.PATH in read.kept and label is None:
        said = "the label can't be read: a server doesn't know where to begin"
        yield fault("label-damaged", said, COPY, Place(file=label_file.PATH))
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


def _against(read: Checking, manifest: Manifest) -> Iterator[Finding]:
    """Every file that the manifest lists, and those that it doesn't."""
    settings = any(path in read.seen for path in ("standby.signal", "recovery.signal"))
    gone = [path for path in manifest.files if path not in read.seen]
    for path in gone[:MOST_BAD]:
        yield fault("file-missing", f"{path} is in the manifest, and not there", COPY, Place(file=path))
    if len(gone) > MOST_BAD:
        yield fault("file-missing", f"{len(gone) - MOST_BAD:,} more files of the manifest are not there", COPY)
    for path, listed in manifest.files.items():
        finding = _unlike(path, listed, read.seen[path]) if path in read.seen else None
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


def _unlike(path: str, listed: Listed, seen: Seen) -> Finding | None:
    """What a file has otherwise than the manifest says."""
    found = seen.sums.get(listed.algorithm)
    place = Place(file=path, stored_from=0, stored_to=seen.size)
    if seen.size != listed.size:
        said = f"{path} has {seen.size:,} bytes, {listed.size:,} are in the manifest"
        return fault("file-resized", said, COPY, place)
    if not listed.algorithm or found == listed.checksum:
        return None
    if found is None:
        said = f"{path}: its {listed.algorithm} was not taken, as the manifest came last"
        return doubt("checksum-unread", said, "unpack the tar, and verify the folder", place)
    inside = [f"page {page.number:,}" for page in seen.bad]
    where = f"; it is so in {some(inside, PAGES_TOLD)}" if inside else ""
    said = f"{path} is not as it was written: its {listed.algorithm} is another one{where}"
    return fault("checksum-mismatch", said, COPY, place)


def _pages(read: Checking, whole: set[Block]) -> Iterator[Finding]:
    """Pages that can't be as they are, in files that are as they were written, or that no manifest covers.

    Those that the log makes `whole` again are no loss.
    """
    control, label = read.control, read.label
    if control is None:
        return
    if read.assumed and (control.page_size, control.segment_pages) != USUAL:
        said = f"its pages have {control.page_size:,} bytes, which a tar says only in the end: they were not checked"
        yield doubt("pages-unread", said, "unpack the tars, and verify the folder")
        return
    for path, seen in read.seen.items():
        listed = read.manifest.files.get(path) if read.manifest is not None else None
        same = listed is not None and seen.sums.get(listed.algorithm) == listed.checksum
        if not seen.bad or (listed is not None and listed.algorithm and not same):
            continue  # it is told with the file's checksum
        bad = [page for page in seen.bad if control.checksums or not page.is_by_checksum]
        bad = [page for page in bad if block_at(path, page.number, control.segment_pages) not in whole]
        told = [_page(path, page, (control, label), same=same) for page in bad]
        yield from told[:PAGES_TOLD]
        if len(told) > PAGES_TOLD:
            yield replace(told[PAGES_TOLD], message=f"{path}: {len(told) - PAGES_TOLD:,} more pages that can't be")


def _page(path: str, page: BadPage, of: tuple[Control, Label | None], *, same: bool) -> Finding:
    """A page that can't be: since when, and whether the log may make it whole."""
    control, label = of
    begin = page.number * control.page_size
    place = Place(file=path, stored_from=begin, stored_to=begin + control.page_size)
    if "_fsm" in path or "_vm" in path:
        said = f"{path}: page {page.number:,}: {page.problem}; a server makes such pages anew"
        return note("map-page-damaged", said, place=place)
    if label is not None and page.log_position >= label.start:
        return doubt(
            "page-torn",
            f"{path}: page {page.number:,}: {page.problem}, and it is newer than the backup's beginning: it may have "
            "been written while it was copied, and then the log makes it whole",
            "restore it with the log that belongs to it, and have the server check that table",
            place,
        )
    when = "the manifest agrees with it: it was so when the backup was taken" if same else "nothing says since when"
    return fault("page-damaged", f"{path}: page {page.number:,}: {page.problem}; {when}", COPY, place)


def _logs(read: Checking, whole: set[Block]) -> Iterator[Finding]:
    """The log that the backup needs before its files agree; if any page is bad, `whole` takes what it makes whole."""
    control, label = read.control, read.label
    if control is None:
        return
    if read.manifest is not None:
        for wanted in read.manifest.ranges:
            yield from _range(read, wanted, (control, None), whole)
    elif label is not None:
        # A backup that was taken from a standby has no record of its end: what counts is how far that one had come.
        by_standby = label.standby and control.consistent
        wanted = Range(
            timeline=label.timeline or 1, start=label.start, end=control.consistent if by_standby else 1 << 62
        )  # fmt: skip
        yield from _range(read, wanted, (control, None if by_standby else label.start), whole)


def _range(read: Checking, wanted: Range, of: tuple[Control, int | None], whole: set[Block]) -> Iterator[Finding]:
    """A stretch of the log; with the position where a backup began, up to the record of its end."""
    control, backup = of
    size = control.log_segment_size
    log = Log(lambda start: read.segment(segment_name(wanted.timeline, start, size)), size, control.system)
    followed = log.follow(wanted.start, wanted.end, backup)
    if any(seen.bad for seen in read.seen.values()):
        whole |= log.made_whole(wanted.start, followed.end)
    for problem in log.faults:
        name = segment_name(wanted.timeline, problem.position - problem.position % size, size)
        yield fault(
            "log-damaged",
            f"the log can't be followed at {position(problem.position)}: {problem.problem}",
            "take the log from another copy: without it the files can't be made to agree",
            Place(file=f"pg_wal/{name}", stored_from=problem.position % size),
        )
    if log.faults or (followed.end >= wanted.end if backup is None else backup in followed.backup_ends):
        return
    first = segment_name(wanted.timeline, log.missing if log.missing is not None else followed.end, size)
    upto = "the end of the backup" if backup is not None else position(wanted.end)
    yield doubt(
        "logs-missing",
        f"the log that the backup needs is not in it: from {position(wanted.start)} to {upto}; {first} is the first "
        "segment that is missing, or ends too early",
        "have the archived log at hand: without it this backup can't be restored",
    )

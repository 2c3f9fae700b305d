"""Opens the two sides of a comparison by what they are; both at once where that is worth a second process."""

from __future__ import annotations

import os
import pickle
import subprocess
import sys
from collections.abc import Sequence
from contextlib import ExitStack, suppress
from dataclasses import dataclass, replace
from io import BytesIO
from pathlib import Path
from typing import IO

from sospes.formats.form import everything
from sospes.formats.opening import Opening, open_backup, require_rows
from sospes.model.errors import CannotCheck, SospesError, UsageError
from sospes.model.progress import Progress
from sospes.places.writing import nameless_file
from sospes.rows.copied import CopySums
from sospes.rows.files import csv_mark, is_json_lines
from sospes.rows.parquet import is_parquet
from sospes.sides.registry import open_live
from sospes.sides.servers.address import Address
from sospes.work.compare.sides.backup import BackupRows
from sospes.work.compare.sides.held import RowFile, SideCopy, is_side_copy
from sospes.work.compare.sides.live import LiveRows
from sospes.work.compare.sides.protocol import RowSide
from sospes.work.compare.sides.recovered import open_recovered
from sospes.work.restore.copied import RecoveredCopy
from sospes.work.selection import Selection

SECOND_PROCESS_AT = 32 << 20
"""Stored bytes of a backup from which on a second process reads it."""

_ROW_FILES = frozenset({".csv", ".tsv", ".jsonl", ".ndjson"})


@dataclass(frozen=True, slots=True, kw_only=True)
class Reading:
    """How sides are read.

    tables    the only tables that are compared, all when empty; None where lines are of no use
    gentle    whether half of a live side's time is left to others
    progress  hears of the stored bytes of a backup that were read
    """

    opening: Opening
    tables: Sequence[str] | None = None
    timeout_seconds: int = 3600
    gentle: bool = False
    progress: Progress | None = None


def open_side(place: Path | Address, how: Reading, stack: ExitStack) -> RowSide:
    """A side by what its file is, or a live database, which is closed with the stack.

    Raises UsageError for standard input, which is read once only.
    """
    if isinstance(place, Address):
        live = open_live(place, how.timeout_seconds)
        stack.callback(live.close)
        return LiveRows(live, name=place.label, database_name=place.database, gentle=how.gentle)
    copy = how.opening.through
    if isinstance(copy, RecoveredCopy) and place == copy.path:
        return open_recovered(copy, how.opening, stack)
    kind = _kind(place, how.opening)
    if kind is RowFile:
        return RowFile(place, how.opening)
    return SideCopy(place) if kind is SideCopy else BackupRows(place, how.opening).read(how.progress)


def open_sides(left: Path | Address, right: Path | Address, how: Reading, stack: ExitStack) -> tuple[RowSide, RowSide]:
    """Both sides. Rows of the wanted tables are summed up as they are passed, if both may have them as lines."""
    if how.tables is None or not isinstance(left, Path) or not _may_be_lined(left, right, how.opening):
        return open_side(left, how, stack), open_side(right, how, stack)
    wanted = Selection(how.tables)

    def summed(path: Path, *, with_totals: bool = False) -> BackupRows:
        """The left side's control totals are enough, as those of equal rows are equal."""
        file = stack.enter_context(nameless_file(how.opening.work_folder))
        return BackupRows(path, how.opening, CopySums(wanted, file, with_totals=with_totals)).read(how.progress)

    if isinstance(right, Address):
        open_live(right, how.timeout_seconds).close()  # one that can't be reached is told before the backup is read
        return summed(left, with_totals=True), open_side(right, how, stack)
    if right.stat().st_size < SECOND_PROCESS_AT:
        return summed(left, with_totals=True), summed(right)
    with Beside(right, how.opening, wanted, stack) as beside:
        return summed(left, with_totals=True), beside.side()


def _may_be_lined(left: Path, right: Path | Address, opening: Opening) -> bool:
    if opening.through is not None and left == opening.through.path:
        return False  # a server gives lines by itself
    if isinstance(right, Address):
        return _kind(left, opening) is BackupRows
    return all(_kind(path, opening) is BackupRows for path in (left, right))


def _kind(path: Path, opening: Opening) -> type[BackupRows | RowFile | SideCopy]:
    """What a file is. Raises UsageError for standard input, CannotCheck for what is nothing that has rows."""
    if str(path) == "-":
        raise UsageError("standard input can't be compared, rows are read more than once", "save it to a file first")
    opened = open_backup([path], opening)
    require_rows(opened)
    if opened.form is not None and opened.source.path and is_side_copy(opened.source.path):
        return SideCopy
    head = opened.head.plain
    if is_parquet(head):
        if opened.containers:
            raise CannotCheck(f"{path}: is Parquet inside of {opened.containers[0]} data", "unpack it first")
        return RowFile
    rows_file = path.suffix.lower() in _ROW_FILES or opened.form is None
    named = path.suffix.lower() in _ROW_FILES
    if rows_file and (is_json_lines(head) or ((named or csv_mark(head)) and _is_text(head))):
        return RowFile
    if opened.form is None:
        problem = opened.findings[-1]
        raise CannotCheck(f"{path}: {problem.message}", problem.advice)
    return BackupRows


def _is_text(head: bytes) -> bool:
    """Text may hold a zero byte or two; a file that is full of them is none."""
    return head[:4096].count(0) <= 8 + len(head[:4096]) // 100 and not head.lstrip().startswith(b"<")


class Beside:
    """A second process that reads a large backup while this one reads another."""

    def __init__(self, path: Path, opening: Opening, wanted: Selection, stack: ExitStack) -> None:
        self._path = path
        self._file = stack.enter_context(nameless_file(opening.work_folder))
        self._asked = (path, replace(opening, stdin=None, passed=None, wants=everything), wanted, self._file.fileno())

    def __enter__(self) -> Beside:
        self._child = subprocess.Popen(
            [sys.executable, "-P", "-c", _CHILD], stdin=subprocess.PIPE, stdout=subprocess.PIPE, start_new_session=True,
            pass_fds=(self._file.fileno(),),
        )  # fmt: skip
        if self._child.stdin is not None:
            with suppress(BrokenPipeError), self._child.stdin:  # one that ended gives no answer either
                pickle.dump(self._asked, self._child.stdin)
        return self

    def __exit__(self, *_: object) -> None:
        self._child.kill()
        if self._child.stdout is not None:
            self._child.stdout.close()
        self._child.wait()

    def side(self) -> BackupRows:
        """What it read. Raises what stopped it, or CannotCheck if it was killed."""
        answer = self._child.stdout.read() if self._child.stdout is not None else b""
        if self._child.wait() or not answer:
            raise CannotCheck(
                f"{self._path}: the process that reads it ended", "check this machine's memory; run this again"
            )
        found: BackupRows | SospesError = pickle.loads(answer)
        if isinstance(found, SospesError):
            raise found
        if found.sums is not None:
            found.sums.keep_in(self._file)
        return found


_CHILD = f"import sys; from {__name__} import read_for_parent as f; f(sys.stdin.buffer, sys.stdout.buffer)"


def read_for_parent(asked: IO[bytes], answer: IO[bytes]) -> None:
    """What the second process does: it is asked and answers through pipes."""
    path, opening, wanted, digests = pickle.load(asked)
    with os.fdopen(digests, "rb+") as file:
        sums = CopySums(wanted, file)
        try:
            found: BackupRows | SospesError = BackupRows(path, opening, sums).read()
        except SospesError as error:
            found = error
        file.flush()
    sums.keep_in(BytesIO())  # a file can't be sent
    pickle.dump(found, answer)

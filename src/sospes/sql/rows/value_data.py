"""Runs of INSERT statements, checked and cut into batches."""

from __future__ import annotations

import re
from collections.abc import Generator, Iterator
from contextlib import suppress
from itertools import islice

import numpy as np
from numpy.typing import NDArray

from sospes.model.events import Batch, Event
from sospes.model.findings import Finding, Place, doubt, fault
from sospes.sql.characters import first_broken
from sospes.sql.judging.authorship import doubted
from sospes.sql.judging.judge import hostile
from sospes.sql.judging.reach import call_outside
from sospes.sql.lexis import Lexis, Unfinished, is_string, past_comments, statement_end, without_comments
from sospes.sql.rows.run import DataRun, columns_of_run, is_binary
from sospes.sql.rows.value_tuples import (
    NO_ROWS,
    Gap,
    Irregular,
    ValueRows,
    continuation,
    ends_within,
    has_comments,
    split_slowly,
    split_values,
)
from sospes.sql.window import Window

BLOCK = 1 << 19
"""Tuples are looked for in blocks of this many bytes, and more only where one is longer."""

FIRST_BLOCK = 1 << 13
"""The first block of a table is this small, in bytes, as many tables have few rows."""

LONG_BLOCK = 2 << 20
"""In blocks longer than this only the one row at their beginning is looked for, which takes no memory."""

LONGEST_ROW = 16 << 20
"""A tuple that has not ended after so many bytes is damaged if statements seem to follow inside it."""

LONG_AMONG_LOST = 1 << 15
"""The same, in bytes, where rows of the table were lost before and whole ones follow."""

FIRST_TRIAL, TRIAL = 1 << 11, 1 << 14
"""Bytes in which whole rows have to follow a place that may be a row's beginning."""

MOST_TRIALS = 2_000
"""Places tried behind a damaged quote."""

_BETWEEN_ROWS = re.compile(rb"\)\s*,\s*(?=\()")
_STATEMENT_END = re.compile(rb"(?:on\s+conflict\s+do\s+nothing\s*)?(?:\*/\s*)?;", re.I)
_TAIL = re.compile(
    rb"on\s+conflict\b[^;']*?\bdo\s+(?:nothing\b|(update)\s+set\s)|on\s+(duplicate)\s+key\s+update\s|returning\s", re.I
)
"""What people write behind the rows; a group has matched where rows that are there would be changed."""
_NEXT_STATEMENT = re.compile(rb"\n(?=INSERT |--\n-- |CREATE |UNLOCK |/\*M?!|COPY |ALTER |SELECT |COMMIT)")


def read_values(window: Window, run: DataRun) -> Iterator[Event]:
    """The rows of an INSERT statement and of all that follow with the same head."""
    gap = continuation(run.opening, run.lexis)
    size, usual = FIRST_BLOCK, FIRST_BLOCK
    while True:
        if window.left < size:
            window.grow(size)
        block = window.data[window.position : window.position + size]
        split, rows = _split(block, run.lexis, gap)
        if len(split.starts) == 0:
            more = window.left > len(block) or not window.ended
            if not more or _is_given_up(window, run, gap, size):
                if not (yield from _values_lost(window, run, gap)):
                    return
                size = usual
                continue
            size *= 2
            continue
        line, plain_from = window.line, window.offset
        end = int(split.ends[-1]) + 1
        # Blocks grow while rows are found easily, and begin small again where not: each is searched as a whole.
        broken = split.slow or end < len(block) >> 3  # then what comes next is not as plain
        size = usual = FIRST_BLOCK if broken else min(FIRST_BLOCK * 2 if _has_losses(run) else BLOCK, usual * 4)
        yield from _value_batch(run, rows[:end], split, plain_from, line)
        window.advance(window.position + end)
        if not _next_row(window, gap):
            break
    yield from run.remainder()
    yield from _after_values(window, run, gap)


def _has_losses(run: DataRun) -> bool:
    """Whether rows of the table were lost, here or in an earlier statement."""
    return run.lost or run.lost_before


def _is_given_up(window: Window, run: DataRun, gap: Gap, size: int) -> bool:
    """Whether a row that did not end within `size` bytes is damaged, as something else clearly follows in them.

    Once rows of the table were lost, a row is taken for a lost one as soon as it is long.
    """
    limit = min(len(window.data), window.position + size)
    if _has_losses(run) and size >= LONG_AMONG_LOST:
        if _later_row(window.data, window.position, limit, run, gap) >= 0:
            return True
    elif size <= LONGEST_ROW:
        return False
    return _NEXT_STATEMENT.search(window.data, window.position, limit) is not None


def _split(block: bytes, lexis: Lexis, gap: Gap) -> tuple[ValueRows, bytes]:
    """The whole rows at the beginning of a block, and its text without comments."""
    if len(block) > LONG_BLOCK:
        return _one_row(block, lexis) if ends_within(block, lexis) else (NO_ROWS, block)
    with suppress(Irregular):
        return split_values(block, block, lexis, gap), block
    if has_comments(block, lexis):
        bare = without_comments(block, lexis)
        with suppress(Irregular):
            return split_values(bare, block, lexis, gap), bare
    return _one_row(block, lexis)


def _one_row(block: bytes, lexis: Lexis) -> tuple[ValueRows, bytes]:
    """The one row at the beginning, where nothing faster can tell where it ends."""
    split = split_slowly(block, lexis)
    return split, without_comments(block[: int(split.ends[-1]) + 1], lexis) if split.slow else block


def _next_row(window: Window, gap: Gap) -> bool:
    """Step over what stands between two rows; False if something else comes."""
    if window.left < 1 << 14:
        window.grow(1 << 14)
    match = gap.pattern.match(window.data, window.position)
    if match is None:
        return False
    window.advance(match.end())
    return True


def _after_values(window: Window, run: DataRun, gap: Gap) -> Iterator[Finding]:
    """The statement has to end behind its last row."""
    said = past_comments(window.data, window.position, run.lexis)
    match = _STATEMENT_END.match(window.data, said)
    if match is not None:
        window.advance(match.end())
        return
    if not window.data[window.position :].strip() and window.ended:
        yield from _values_lost(window, run, gap)
        return
    tail = _TAIL.match(window.data, said)
    if tail is not None:
        with suppress(Unfinished):
            end, _ = statement_end(window.data, tail.end(), run.lexis)
            yield from _tail_findings(window.data[tail.start() : end], tail, window, run)
            window.advance(end)
            return
    text = window.data[window.position : window.position + 20].strip().split(b"\n")[0].decode("ascii", "replace")
    place = Place(plain_from=window.offset, line=window.line)
    resume = _NEXT_STATEMENT.search(window.data, window.position)
    window.advance(resume.end() if resume else len(window.data))
    for finding in run.row_fault(
        "row-unreadable",
        (run.next_row, run.next_row),
        f'a comma or the statement\'s end was expected after the row before it, not "{text}"',
        place,
    ):
        yield doubted(finding, run.unsure) if run.unsure else finding


def _tail_findings(text: bytes, tail: re.Match[bytes], window: Window, run: DataRun) -> Iterator[Finding]:
    """What stands behind the rows may call what rows may call, and change rows that are there already."""
    table = run.table
    place = Place(
        plain_from=window.offset, line=window.line, database=table.database, schema=table.schema, table=table.name
    )
    called = call_outside(text, run.lexis)
    if called:
        yield hostile(f"{table.label}: behind its rows stands a call of {called}", place)
    elif tail.lastindex:
        yield doubt(
            "effect-unknown",
            f"{table.label}: rows that are there already would be changed: what a restore holds can't be counted so",
            "have its own engine restore it, and count there",
            place,
        )


def _values_lost(window: Window, run: DataRun, gap: Gap) -> Generator[Finding, None, bool]:
    """No row begins or ends here any more; gives whether reading can go on at a later row of the statement."""
    begin, line = window.offset, window.line
    resume = _NEXT_STATEMENT.search(window.data, window.position)
    limit = resume.start() if resume else len(window.data)
    found = _later_row(window.data, window.position, limit, run, gap)
    behind = resume.end() if resume else len(window.data)
    window.advance(found if found >= 0 else behind)
    if found < 0:
        yield from run.remainder()
    if resume is None and found < 0:
        yield run.cut(begin, window.offset, line, window.broken)
        return False
    number = run.next_row
    run.lost = True
    run.damaged += 1
    yield fault(
        "row-unreadable",
        f"{run.table.label}: from row {number:,} on, quotes or brackets no longer agree",
        f"a byte there is damaged; reading went on at the next {'row' if found >= 0 else 'statement'} that is whole",
        Place(
            plain_from=begin, plain_to=window.offset, line=line, database=run.table.database,
            schema=run.table.schema, table=run.table.name, row_from=number,
        ),
    )  # fmt: skip
    return found >= 0


def _later_row(data: bytes, start: int, limit: int, run: DataRun, gap: Gap) -> int:
    """Where in `data`, behind the row at `start` and before `limit`, the next row begins that is whole, -1 if none.

    Behind a damaged quote all text looks quoted, so a place counts only if rows of the right width follow it.
    """
    for match in islice(_BETWEEN_ROWS.finditer(data, start + 1, limit), MOST_TRIALS):
        begin = match.end()
        cells = _split(data[begin : min(limit, begin + FIRST_TRIAL)], run.lexis, gap)[0].cells[:4]
        if not len(cells):
            cells = _split(data[begin : min(limit, begin + TRIAL)], run.lexis, gap)[0].cells[:4]
        if len(cells) and bool((cells == run.width).all()):
            return begin
    return -1


def _value_batch(run: DataRun, block: bytes, split: ValueRows, plain_from: int, line: int) -> Iterator[Event]:
    """Rows of one block as a batch, after those of another shape were told of and taken out."""
    if run.width < 0:
        run.width = int(split.cells[0])
    rows = len(split.starts)
    shaped = split.cells == run.width
    first_row = run.next_row
    if not shaped.all():
        yield from _misshapen(run, block, split, np.flatnonzero(~shaped), (plain_from, line))
    kept = int(shaped.sum())
    run.rows += kept
    run.damaged += rows - kept
    if not kept or not run.wanted:
        return
    # Rows of the right shape have their commas in a rectangle: between them, and the brackets, are the cells.
    owner = np.repeat(shaped, split.cells - 1)
    commas = split.commas[owner].reshape(kept, run.width - 1)
    starts = np.concatenate((split.starts[shaped][:, None] + 1, commas + 1), axis=1)
    ends = np.concatenate((commas, split.ends[shaped][:, None]), axis=1)
    batch = Batch(
        notation=run.notation, data=block, rows=kept, width=run.width, encoding=run.encoding, first_row=first_row,
        plain_from=plain_from, plain_to=plain_from + len(block), line=line, starts=starts, ends=ends,
        skipped=tuple(np.flatnonzero(~shaped).tolist()),
    )  # fmt: skip
    yield from _changed_line_ends(run, batch)
    yield from _cell_encoding_faults(run, batch)
    yield from _bare_faults(run, batch)
    yield batch


def _changed_line_ends(run: DataRun, batch: Batch) -> Iterator[Finding]:
    """In a script whose line ends were converted, those inside of values were converted as well."""
    if not run.crlf or run.line_ends_told or batch.starts is None or batch.ends is None:
        return
    for start, end in zip(batch.starts[:, 0].tolist(), batch.ends[:, -1].tolist(), strict=True):
        if b"\n" in batch.data[start:end]:
            run.line_ends_told = True
            yield doubt(
                "line-ends-changed",
                f"{run.table.label}: line ends inside values were converted with the script's own",
                "take the backup again and copy it as bytes; the values are no longer what they were",
                Place(plain_from=batch.plain_from + start, plain_to=batch.plain_from + end),
            ).at(database=run.table.database, schema=run.table.schema, table=run.table.name)
            return


def _misshapen(
    run: DataRun, block: bytes, split: ValueRows, rows: NDArray[np.int64], at: tuple[int, int]
) -> Iterator[Finding]:
    """Rows with another number of values than the table, each with its place."""
    for row in rows:
        if run.told_enough:
            run.count_fault()
            continue
        start, end = int(split.starts[row]), int(split.ends[row]) + 1
        place = Place(plain_from=at[0] + start, plain_to=at[0] + end, line=at[1] + block.count(b"\n", 0, start))
        number = run.next_row + int(row)
        message = f"has {int(split.cells[row])} values where {run.width} are expected"
        yield from run.row_fault("row-shape", (number, number), message, place)


_PLAIN_BYTES = np.zeros(256, dtype=np.bool_)
_PLAIN_BYTES[list(b"0123456789.+-eE,()' \t\r\n")] = True
"""What numbers, and the marks between cells, are made of."""
_BARE_CELL = re.compile(
    rb"(?:null|true|false|default)|[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?|[-+]?9e999|[-+]?inf|nan"
    rb"|(?:_\w+\s*)?(?:0x[0-9a-f]*|0b[01]+|[xX]'(?:[0-9a-fA-F]{2})*'|[bB]'[01]*')"
    rb"|\(*[-+]?\(?[-+]?\d+\.?\d*(?:e[-+]?\d+)?\)*(?:\s*::.*)?",
    re.I | re.S,
)
_SPOKEN_CELL = re.compile(
    rb"(?:[eE]|[uU]&|[nN]|_\w+\s*)?['\"].*['\"](?:\s*::.*)?|[a-z_][\w.]*\s*\(.*\)|array\s*\[.*\].*|cast.*|\(.*\)"
    rb"|(?:date|time|timestamp|interval|point|box)(?:\s|').*|current_\w+",
    re.I | re.S,
)
"""Strings with something before or behind them, and calls of functions, which are not judged any further."""


def _bare_faults(run: DataRun, batch: Batch) -> Iterator[Finding]:
    """Cells that are neither string nor number nor any word that stands for a value."""
    if batch.starts is None or batch.ends is None or not batch.width:
        return
    # Most bare cells are numbers or NULL: with NULL written as a number, whole columns of them are passed over by a
    # table of bytes, and only cells with any other byte are looked at one by one.
    values = np.frombuffer(batch.data.replace(b"NULL", b"0000"), dtype=np.uint8)
    firsts, lasts = batch.starts.ravel(), batch.ends.ravel()
    begins = np.minimum(firsts + (values[np.minimum(firsts, len(values) - 1)] == 32), len(values) - 1)
    bare = values[begins] != 39
    inside = np.zeros(len(values) + 1, dtype=np.int8)
    inside[firsts[bare]] = 1
    inside[lasts[bare]] -= 1
    within = np.cumsum(inside[:-1], dtype=np.int8).astype(np.bool_)
    odd = np.flatnonzero(within & ~_PLAIN_BYTES[values])
    # "12 34": both parts are made of plain bytes, and together they are no number.
    spaced = within[1:-1] & (values[1:-1] == 32) & _DIGITS[values[:-2]] & ~_MARKS_AFTER[values[2:]]
    places = np.concatenate((odd, np.flatnonzero(spaced) + 1))
    cells = np.unique(np.concatenate((np.searchsorted(firsts, places, side="right") - 1, _joined(batch, values, bare))))
    for cell in cells.tolist():
        text = batch.data[firsts[cell] : lasts[cell]].strip()
        if is_string(text, run.lexis) or _BARE_CELL.fullmatch(text):
            continue
        called = call_outside(text, run.lexis)
        if not called and _SPOKEN_CELL.fullmatch(text):
            continue
        if run.told_enough:
            run.count_fault()
            continue
        row, column = divmod(cell, batch.width)
        place = Place(
            plain_from=batch.plain_from + int(firsts[cell]), plain_to=batch.plain_from + int(lasts[cell]),
            line=batch.line + batch.data.count(b"\n", 0, int(firsts[cell])),
        )  # fmt: skip
        number = batch.number_of(row)
        name = f", column {run.columns[column]}" if run.columns and column < len(run.columns) else ""
        message = f"no value is written like this: {text[:40]!r}{name}"
        if called:
            message = f"a value calls {called}, which reaches outside of the database"
        yield from run.row_fault(
            "hostile-statement" if called else "value-unreadable", (number, number), message, place
        )


def _joined(batch: Batch, values: NDArray[np.uint8], bare: NDArray[np.bool_]) -> NDArray[np.int64]:
    """Cells that begin with a quote and may be more than one string: with other quotes in them, or another end."""
    assert batch.starts is not None and batch.ends is not None  # literals always come with offsets
    firsts, lasts = batch.starts.ravel(), batch.ends.ravel()
    quotes = np.flatnonzero(values == 39)
    count = np.searchsorted(quotes, lasts) - np.searchsorted(quotes, firsts)
    return np.flatnonzero(~bare & ((count != 2) | (values[np.maximum(lasts - 1, 0)] != 39)))


_DIGITS = np.zeros(256, dtype=np.bool_)
_DIGITS[list(b"0123456789")] = True
_MARKS_AFTER = np.zeros(256, dtype=np.bool_)
_MARKS_AFTER[list(b",) \t\r\n")] = True


def _cell_encoding_faults(run: DataRun, batch: Batch) -> Iterator[Finding]:
    """Text cells that are not valid in the script's character set; binary columns may hold any byte."""
    mariadb = run.lexis.is_mariadb
    if batch.starts is None or batch.ends is None or first_broken(batch.data, run.encoding, mariadb) is None:
        return
    if run.entry is None:
        return
    binary = [mariadb and is_binary(column.type) for column in columns_of_run(run.entry, run.columns)]
    for row in range(batch.rows):
        for column in range(batch.width):
            cell = batch.data[batch.starts[row, column] : batch.ends[row, column]]
            if cell.isascii() or (column < len(binary) and binary[column]) or cell.lstrip()[:7].lower() == b"_binary":
                continue
            error = None if run.told_enough else first_broken(cell, run.encoding, mariadb)
            if error is not None:
                start = int(batch.starts[row, column]) + error.start
                place = Place(
                    plain_from=batch.plain_from + start, plain_to=batch.plain_from + start + error.end - error.start,
                    line=batch.line + batch.data.count(b"\n", 0, start),
                )  # fmt: skip
                number = batch.number_of(row)
                message = f"bytes that are no {run.encoding.upper()} text: {cell[error.start : error.end].hex()}"
                yield from run.row_fault("encoding-broken", (number, number), message, place)

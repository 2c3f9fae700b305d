"""Rows of INSERT statements: tuples of literals, found in a whole block at once by the parity of quotes."""

from __future__ import annotations

import re
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from sospes.model.entries import Engine
from sospes.sql.lexis import ESCAPED_STRING, PLAIN_STRING, Lexis, comments_or_space, tokens

Offsets = NDArray[np.int64]


@dataclass(frozen=True, slots=True)
class ValueRows:
    """Whole tuples at the beginning of a block.

    starts, ends  offsets of each tuple's parentheses, shape (rows,)
    commas        offsets of the commas between cells, all rows together
    cells         cells in each row, shape (rows,)
    slow          whether it is one row, read token by token
    """

    starts: Offsets
    ends: Offsets
    commas: Offsets
    cells: Offsets
    slow: bool = False


_NONE = np.array([], dtype=np.int64)
NO_ROWS = ValueRows(_NONE, _NONE, _NONE, _NONE)
"""What a block has that ends inside its first row."""


class Irregular(Exception):
    """The block holds something that the fast way can't tell apart: double-quoted or E'' strings, comments."""


def _row_pattern(string: bytes) -> re.Pattern[bytes]:
    """A tuple with its strings, and brackets in it up to three deep; possessive, so that it takes linear time."""
    inner = rb"[^'()]++|" + string
    for _ in range(3):
        inner = rb"[^'()]++|" + string + rb"|\((?:" + inner + rb")*+\)"
    return re.compile(rb"\((?:" + inner + rb")*+\)", re.S)


_ROW_PLAIN = _row_pattern(PLAIN_STRING)
_ROW_ESCAPED = _row_pattern(ESCAPED_STRING)


def ends_within(block: bytes, lexis: Lexis) -> bool:
    """Whether the row at the beginning of `block` ends in it."""
    return (_ROW_ESCAPED if lexis.escapes else _ROW_PLAIN).match(block) is not None


@dataclass(frozen=True, slots=True)
class Gap:
    """What may stand between two rows: a comma, or the statement's end and its very head again."""

    head: bytes
    pattern: re.Pattern[bytes]

    def plain(self, block: bytes) -> bytes:
        """The block with blanks in place of all heads, whose names may hold brackets, commas and quotes.

        Inside of a string quotes are doubled, so that no head with a quote is met there; all else there is passed over.
        """
        return block.replace(self.head, b" " * len(self.head)) if _MARKS.search(self.head) else block


_MARKS = re.compile(rb"[(),'\"]")


def continuation(head: bytes, lexis: Lexis) -> Gap:
    """What may stand between two rows of a statement that begins with `head`.

    Comments may stand around a comma only: those between two statements may be headings.
    """
    head = head.strip()
    space = comments_or_space(lexis.engine)
    pattern = (
        space
        + rb"(?:,|(?:on\s+conflict\s+do\s+nothing\s*)?;[ \t\r\n\f]*"
        + re.escape(head)
        + rb")"
        + space
        + rb"(?=\()"
    )
    return Gap(head, re.compile(pattern, re.I))


def split_values(bare: bytes, whole: bytes, lexis: Lexis, gap: Gap) -> ValueRows:
    """The whole rows at the beginning of a block, which begins with a row's parenthesis.

    `bare` is the same as `whole`, or has blanks in place of comments.
    Raises Irregular where only reading token by token would tell.
    """
    block = gap.plain(bare)
    values = np.frombuffer(block, dtype=np.uint8)
    # A byte is inside of a string if an odd number of quotes stand before it: doubled quotes within one cancel out,
    # so one pass over the bytes tells all strings of a block apart, without a loop over its cells.
    quotes = np.flatnonzero(values == 39)
    if lexis.escapes and b"\\" in block:
        quotes = quotes[~_escaped(values, quotes)]
    limit = _first_strange(block, values, quotes, lexis)
    marks = np.flatnonzero((values == 40) | (values == 41) | (values == 44))
    # Brackets and commas outside of strings; their running depth says which ones begin and end a row.
    marks = marks[np.searchsorted(quotes, marks) & 1 == 0]
    kinds = values[marks]
    opening, closing = kinds == 40, kinds == 41
    depth = np.cumsum(opening.astype(np.int64) - closing)
    starts = marks[opening & (depth == 1)]
    ends = marks[closing & (depth == 0)]
    rows = min(len(starts), len(ends))
    # Something stands in the block that parity can't judge: only the rows before it count.
    if limit < len(block):
        rows = int(np.searchsorted(ends[:rows], limit))
        if rows == 0:
            raise Irregular
        if bare is whole and block[limit] in b"-/#" and b";" not in block[int(ends[rows - 1]) : limit]:
            raise Irregular  # a comment within a statement, as one behind it is a heading
    starts, ends = starts[:rows], ends[:rows]
    kept = _rows_before_break(whole, starts, ends, gap.pattern)
    starts, ends = starts[:kept], ends[:kept]
    commas = marks[(kinds == 44) & (depth == 1)]
    first, last = np.searchsorted(commas, starts), np.searchsorted(commas, ends)
    cells = last - first + 1
    commas = commas[_between(first, last)] if kept else commas[:0]
    return ValueRows(starts, ends, commas, cells)


def split_slowly(block: bytes, lexis: Lexis) -> ValueRows:
    """One row at the beginning of `block`, read token by token; none if the block ends in it."""
    depth = 0
    commas = []
    for token in tokens(block, lexis):
        if token.kind != "mark":
            continue
        depth += (token.text in "([") - (token.text in ")]")
        if token.text == "," and depth == 1:
            commas.append(token.start)
        elif depth == 0:
            return ValueRows(
                np.array([0]), np.array([token.start]), np.array(commas, dtype=np.int64),
                np.array([len(commas) + 1]), slow=True,
            )  # fmt: skip
    return NO_ROWS


def _escaped(values: NDArray[np.uint8], positions: Offsets) -> NDArray[np.bool_]:
    """Which positions stand behind an odd number of backslashes."""
    slashes = np.flatnonzero(values == 92)
    run_starts = np.flatnonzero(np.diff(slashes, prepend=-2) != 1)
    number = np.searchsorted(slashes, positions)  # backslashes before each position
    last = np.maximum(number - 1, 0)
    behind = (number > 0) & (slashes[last] == positions - 1)
    run = np.maximum(np.searchsorted(run_starts, last, side="right") - 1, 0)
    odd = (last - run_starts[run] + 1) & 1 == 1
    return np.asarray(behind & odd)


def _first_strange(block: bytes, values: NDArray[np.uint8], quotes: Offsets, lexis: Lexis) -> int:
    """Where the first string of another kind, array or comment begins outside of plain strings; the length if none."""
    found = _first_outside(block, values, b'"', quotes)
    if lexis.engine is Engine.POSTGRESQL and not lexis.escapes and (b"E'" in block or b"e'" in block):
        openings = quotes[::2]
        # An E'...' string has escapes whatever the script's own strings have, so parity fails from there on.
        before = values[openings - 1] | 0x20
        escaped = openings[(before == 0x65) & (openings > 0)]
        found = min(found, int(escaped[0])) if len(escaped) else found
    if lexis.engine is Engine.POSTGRESQL:
        found = min(found, _first_outside(block, values, b"$", quotes))
    for opening in _COMMENT_OPENINGS[lexis.is_mariadb]:
        found = min(found, _first_outside(block, values, opening, quotes))
    if lexis.engine is Engine.POSTGRESQL and b"ARRAY[" in block:
        found = min(found, _first_outside(block, values, b"[", quotes))
    return found


_COMMENT_OPENINGS = {True: (b"--", b"/*", b"#"), False: (b"--", b"/*")}


def has_comments(block: bytes, lexis: Lexis) -> bool:
    """Whether anything in a block may begin a comment."""
    return any(opening in block for opening in _COMMENT_OPENINGS[lexis.is_mariadb])


def _first_outside(block: bytes, values: NDArray[np.uint8], opening: bytes, quotes: Offsets) -> int:
    """Where `opening`, one byte or two, first stands outside of plain strings; the length of the block if nowhere."""
    if opening not in block:
        return len(block)
    found = values == opening[0]
    if len(opening) > 1:
        found[:-1] &= values[1:] == opening[1]
        found[-1] = False
    places = np.flatnonzero(found)
    outside = places[np.searchsorted(quotes, places) & 1 == 0]
    return int(outside[0]) if len(outside) else len(block)


def _rows_before_break(block: bytes, starts: Offsets, ends: Offsets, gap: re.Pattern[bytes]) -> int:
    """How many rows there are before the first gap that is no continuation."""
    if len(starts) < 2:
        return len(starts)
    lengths = starts[1:] - ends[:-1] - 1
    good = np.zeros(len(lengths), dtype=np.bool_)
    values = np.frombuffer(block, dtype=np.uint8)
    # Nearly all gaps of a block are the same few bytes: one of each length is matched, the others are compared with it.
    for length in np.unique(lengths):
        if length <= 0 or length > 4096:
            continue
        chosen = np.flatnonzero(lengths == length)
        begin = ends[chosen] + 1
        sample = block[int(begin[0]) : int(begin[0]) + int(length) + 1]
        if not _gap_matches(gap, sample):
            continue
        texts = values[begin[:, None] + np.arange(length)]
        good[chosen] = (texts == texts[0]).all(axis=1)
        unlike = chosen[~good[chosen]]
        # A few gaps may be written otherwise; in a block with many the rest is left to the slower way.
        for index in unlike[:64]:
            at = int(ends[index]) + 1
            good[index] = _gap_matches(gap, block[at : at + int(length) + 1])
    bad = np.flatnonzero(~good)
    return int(bad[0]) + 1 if len(bad) else len(starts)


def _gap_matches(gap: re.Pattern[bytes], text: bytes) -> bool:
    """Whether a text is a gap and the row's parenthesis behind it, and nothing else."""
    match = gap.match(text)
    return match is not None and match.end() == len(text) - 1


def _between(first: Offsets, last: Offsets) -> Offsets:
    """All indexes of the ranges first..last, one range after the other."""
    counts = last - first
    total = int(counts.sum())
    offsets = np.repeat(first - np.concatenate(([0], np.cumsum(counts)[:-1])), counts)
    return np.asarray(offsets + np.arange(total))

"""Uses a seal: to prove a backup unchanged, to place what was changed, and to read parts of it without the rest."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path
from typing import TYPE_CHECKING

from sospes.model.entries import Name
from sospes.model.errors import NotFound, UsageError
from sospes.model.findings import Finding, Place, doubt, fault, note
from sospes.model.outcome import TableSummary
from sospes.model.progress import Progress
from sospes.places.source import Source
from sospes.stream.blocks import block_digests, hasher
from sospes.stream.containers import Block
from sospes.stream.restart import plain_from
from sospes.work.seal.form import ENDING, HEADS, BadSeal, Seal, head_digests, read_seal

if TYPE_CHECKING:
    from sospes.work.seal.making import RowSums
    from sospes.work.seal.written import SealedTable

WORTH_SKIPPING = 1 << 18
"""Plain bytes of rows that it pays to step over."""


@dataclass(frozen=True, slots=True, kw_only=True)
class SealUse:
    """Which seal to use: `path` if one was named, else the one beside the backup, unless `ignore` is set.

    key  what its signature is checked with
    """

    path: Path | None = None
    ignore: bool = False
    key: bytes | None = None


def find_seal(paths: Sequence[Path], use: SealUse) -> tuple[Seal | None, Path | None, list[Finding]]:
    """The seal that belongs to a backup, and what is wrong with it.

    Raises NotFound for one that was named and isn't there.
    """
    if use.ignore or (use.path is None and len(paths) != 1):
        return None, None, []
    path = use.path or paths[0].with_name(paths[0].name + ENDING)
    if not path.is_file():
        if use.path is not None and not path.exists():
            raise NotFound(f"{path}: no such seal", "check the path after --seal, or make one: sospes seal BACKUP")
        if use.key is None and not path.exists():
            return None, None, []
        gone = not path.exists()
        finding = doubt(
            "seal-missing",
            f"{path.name}: {'a key was given, and there is no seal' if gone else 'is no plain file, and so no seal'}",
            "somebody may have taken it away: find out who made it, and when; --no-seal does without",
        ).at(file=str(path))
        return None, None if gone else path, [finding]
    seal, findings = opened_seal(path, use.key)
    return seal, path, findings


def opened_seal(path: Path, key: bytes | None) -> tuple[Seal | None, list[Finding]]:
    """A seal, and what is wrong with it: the one way in which seals are opened, wherever they are named.

    Raises CannotCheck for one that can't be read, or is of a version that nobody knows.
    """
    try:
        seal = read_seal(path, key)
    except BadSeal as bad:
        return None, [bad.finding]
    if not seal.signed or key is not None:
        return seal, []
    unchecked = doubt(
        "signature-unchecked",
        f"{path.name}: the seal is signed, and no key was given to check it",
        "give the key with --key-file FILE or in SOSPES_SEAL_KEY",
    )
    return seal, [unchecked.at(file=str(path))]


def require_seal(seal: Seal | None, path: Path | None, paths: Sequence[Path]) -> None:
    """Raises UsageError where there is no seal at all to check by."""
    if seal is None and path is None:
        raise UsageError(
            f"{paths[0]}: has no seal beside it, and --quick checks by the seal alone",
            f"make one with: sospes seal {paths[0]}; or verify without --quick",
        )


def changed_bytes(seal: Seal, source: Source, progress: Progress | None = None) -> list[Finding]:
    """Every stretch of stored bytes that is not as it was sealed."""
    size = source.size or 0
    changed: list[tuple[int, int]] = []
    same = position = 0
    for number, (digest, length) in enumerate(block_digests(source, seal.digest, progress)):
        if number < len(seal.digests) and digest == seal.digests[number]:
            same += 1
        elif number < len(seal.digests):
            joined = changed and changed[-1][1] == position
            begin = changed.pop()[0] if joined else position
            changed.append((begin, position + length))
        position += length
    if not changed and size == seal.size_bytes:
        return []
    # No block agrees: rather another file than one that was changed everywhere.
    if same == 0 and (len(seal.digests) > 1 or size != seal.size_bytes):
        return [_foreign(seal, source, size)]
    found = [_changed(seal, begin, end) for begin, end in changed]
    if size != seal.size_bytes:
        found.insert(0, _resized(seal, size))
    return found


def _foreign(seal: Seal, source: Source, size: int) -> Finding:
    known = seal.header.get("heads", {})
    heads = head_digests(source.head(max(HEADS)))
    agreeing = [length for length in heads if known.get(length) == heads[length]]
    if agreeing and Path(source.name).name == Path(seal.name).name and size != seal.size_bytes:
        return _resized(seal, size)
    return doubt(
        "seal-foreign",
        f"the seal is of another file: no block agrees; {seal.size_bytes:,} bytes were sealed, {size:,} are here",
        "name the right seal with --seal FILE; if this is the file that was sealed, it is damaged: take another copy",
    )


def _newer(seal: Seal, source: Source) -> bool:
    made = datetime.fromisoformat(seal.made_at).timestamp()
    return source.changed_at is not None and source.changed_at > made + 1


def older_note(seal: Seal, source: Source) -> list[Finding]:
    """A note where the file was written to since it was sealed, though its bytes are the same."""
    if not _newer(seal, source):
        return []
    return [
        note("seal-older", f"the file's time stamp is newer than its seal of {seal.made_at}; its bytes are the same")
    ]


def _resized(seal: Seal, size: int) -> Finding:
    cut = size < seal.size_bytes
    return fault(
        "size-changed",
        f"{seal.size_bytes:,} bytes were sealed, {size:,} are here: {'the end is gone' if cut else 'bytes were added'}",
        "take the backup from another copy" if cut else "find out what wrote to the file since",
        Place(stored_from=min(size, seal.size_bytes), stored_to=max(size, seal.size_bytes)),
    )


def _changed(seal: Seal, begin: int, end: int) -> Finding:
    touched = [
        table.name
        for table in seal.tables
        if seal.restarts.container is None and any(first < end and last > begin for first, last in table.sections)
    ]
    where = f", in the rows of {', '.join(touched[:5])}" if touched else ""
    return fault(
        "block-changed",
        f"bytes {begin:,} to {end:,} are not those that were sealed on {seal.made_at[:10]}{where}",
        "something changed the file since: take the backup from another copy",
        Place(stored_from=begin, stored_to=end),
    )


def changed_tables(seal: Seal, sums: RowSums) -> Iterator[Finding]:
    """Tables whose rows are not those that were sealed, and those that are."""
    same = []
    for table in seal.tables:
        name = table.full_name
        rows, digest = sums.of(name)
        if (rows, digest) == (table.rows, table.row_digest):
            same.append(name.label)
            continue
        what = "some of them are changed" if rows == table.rows else f"{table.rows:,} were sealed"
        yield fault(
            "table-changed",
            f"{name.label}: {rows:,} rows can be read, {what}",
            "take this table from another copy",
            Place(database=table.database, schema=table.schema, table=table.name),
        )
    if same:
        listed = ", ".join(same[:8]) + (", ..." if len(same) > 8 else "")
        yield note("tables-unchanged", f"all rows of {len(same):,} tables are as they were sealed: {listed}")


def summaries(tables: Sequence[SealedTable]) -> tuple[TableSummary, ...]:
    """The sealed tables as results show them."""
    return tuple(
        TableSummary(
            database=table.database, schema=table.schema, name=table.name, columns=table.columns, column_types=(),
            rows=table.rows, rows_damaged=0, rows_doubtful=0, rows_lost=0,
        )
        for table in tables
    )  # fmt: skip


def kept_ranges(seal: Seal, wants: Callable[[Name], bool]) -> list[tuple[int, int]]:
    """The plain ranges of a script without the rows of tables that aren't wanted."""
    skipped = sorted(
        section
        for table in seal.tables
        if not wants(table.full_name)
        for section in table.sections
        if section[1] - section[0] >= WORTH_SKIPPING
    )
    kept, position = [], 0
    for begin, end in skipped:
        kept.append((position, begin))
        position = end
    return [*kept, (position, seal.plain_bytes)]


def unchanged(seal: Seal, source: Source, ranges: Sequence[tuple[int, int]]) -> bool:
    """Whether the stored bytes that plain ranges come from are those that were sealed."""
    if source.size != seal.size_bytes:
        return False
    hashed = hasher(seal.digest)
    blocks: set[int] = set()
    for begin, end in ranges:
        stored_from, stored_to = seal.restarts.stored_around(begin, end, seal.size_bytes)
        blocks.update(range(stored_from // seal.block_bytes, -(-stored_to // seal.block_bytes)))
    return all(
        hashed(source.part(block * seal.block_bytes, seal.block_bytes)) == seal.digests[block]
        for block in sorted(blocks)
        if block < len(seal.digests)
    )


def text_of(seal: Seal, source: Source, ranges: Sequence[tuple[int, int]]) -> Iterator[Block | Finding]:
    """The plain text in those ranges, reached by way of the restart points."""
    for begin, end in ranges:
        yield from plain_from(source, seal.restarts, begin, end)

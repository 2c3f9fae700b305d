"""What a cluster's own catalogs say, read from their pages, without a server: databases, schemas, tables, indexes.

Sources: PostgreSQL, src/include/access/htup_details.h (tuple headers), storage/bufpage.h (line pointers),
access/clog.c (two bits for each transaction), catalog/pg_database.h, pg_namespace.h, pg_class.h;
utils/cache/relmapper.c for the file map, whose checksum is a CRC-32C.
"""

from __future__ import annotations

import struct
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass

PG_DATABASE, PG_CLASS, PG_NAMESPACE, PG_EXTENSION = 1262, 1259, 2615, 3079
PG_ATTRIBUTE, PG_INDEX = 1249, 2610
MAP = "global/pg_filenode.map"
_MAGIC = 0x592717
_MAPS = {62: 504, 64: 520}
"""Where the checksum of a file map stands, by the number of entries that it has room for."""

_FROZEN_PAGES = 18
"""Since this version the catalog of relations counts a table's frozen pages, which moves what follows."""

_TEXT_LOCALES = 15
"""Since this version collations stand in the catalog as texts of any length."""

_NORMAL = 1
_XMIN_COMMITTED, _XMIN_INVALID, _XMAX_COMMITTED, _XMAX_INVALID = 0x0100, 0x0200, 0x0400, 0x0800
_FROZEN = _XMIN_INVALID | _XMIN_COMMITTED
_LOCK_ONLY, _IS_MULTI = 0x0080, 0x1000
_COMMITTED = 1
_PER_BYTE, _PER_FILE = 4, 32 * 8192 * 4

IsCommitted = Callable[[int], bool]
"""Whether a transaction was committed."""

KINDS = {
    "r": "table", "p": "table", "i": "index", "I": "index", "S": "sequence", "v": "view", "m": "materialized view",
    "t": "side table", "c": "type", "f": "foreign table",
}  # fmt: skip
"""Kinds of relations by the catalog's letter; a side table holds the long values of another one."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Relation:
    """A row of pg_class: the relation's number, schema, name, file, kind, and whether it is kept over a crash.

    The file is 0 for a mapped one. A shared one is every database's.
    """

    oid: int
    schema: int
    name: str
    file: int
    kind: str
    space: int
    shared: bool
    permanent: bool


def map_holds(data: bytes) -> bool:
    """Whether a file map's checksum holds, in one of the shapes that servers write."""
    if len(data) < 508 or int.from_bytes(data[:4], "little") != _MAGIC:
        return False
    import crc32c

    return any(
        len(data) >= at + 4 and crc32c.crc32c(data[:at]) == int.from_bytes(data[at : at + 4], "little")
        for at in _MAPS.values()
    )


def mapped(data: bytes, relation: int) -> int:
    """The number of a mapped relation's file; its own where the map has none."""
    return files_of(data).get(relation, relation)


def files_of(data: bytes) -> dict[int, int]:
    """Mapped relations with their files."""
    count = min(int.from_bytes(data[4:8], "little"), max(_MAPS), max(0, len(data) - 8) // 8)
    return dict(struct.unpack_from("<II", data, 8 + index * 8) for index in range(count))


def committed_by(log: Callable[[int], bytes]) -> IsCommitted:
    """Tells from the files of the commit log, which `log` gives by number, whether a transaction was committed."""
    found: dict[int, bytes] = {}

    def is_committed(transaction: int) -> bool:
        if transaction < 3:
            return transaction == 2  # the one that is older than all others
        number = transaction // _PER_FILE
        if number not in found:
            found[number] = log(number)
        byte, place = divmod(transaction % _PER_FILE, _PER_BYTE)
        return byte < len(found[number]) and (found[number][byte] >> (2 * place)) & 3 == _COMMITTED

    return is_committed


def database_names(pages: Iterable[bytes], page_size: int, is_committed: IsCommitted) -> dict[int, str]:
    """The databases in the pages of `pg_database`, by number."""
    rows = _rows(pages, page_size, 68, is_committed)
    return {struct.unpack_from("<I", row)[0]: _name(row, 4) for row in rows}


def locales(pages: Iterable[bytes], page_size: int, is_committed: IsCommitted, version: int) -> dict[str, str]:
    """The collation of each database, with the version of the library it was made with, where the catalog has that."""
    if version < _TEXT_LOCALES:
        return {}
    found = {}
    for row in _rows(pages, page_size, 96, is_committed, whole=True):
        begin, columns = row[22], int.from_bytes(row[18:20], "little") & 0x07FF
        has_nulls = int.from_bytes(row[20:22], "little") & 1
        shift = version >= 17  # one column more before them, which takes a byte that was padding
        texts, at = [], begin + 96
        for column in range(11 + shift, columns):
            null = has_nulls and not row[23 + column // 8] >> (column % 8) & 1
            text, at = (None, at) if null else _text(row, at)
            texts.append(text)
        if texts and texts[0] is not None:
            made = texts[-2] if len(texts) > 3 else None  # behind the collations, before the rights
            found[_name(row[begin:], 4)] = texts[0] + (f" (library version {made})" if made else "")
    return found


def names_of(pages: Iterable[bytes], page_size: int, is_committed: IsCommitted) -> list[str]:
    """The names in a catalog whose rows begin with a number and a name."""
    return list(database_names(pages, page_size, is_committed).values())


def _text(row: bytes, at: int) -> tuple[str, int]:
    """A text in a row, short as those are that stand here, and where the next one begins."""
    if at < len(row) and row[at] & 1:
        length = row[at] >> 1
        return row[at + 1 : at + length].decode("utf-8", "replace"), at + length
    at = (at + 3) & -4
    length = int.from_bytes(row[at : at + 4], "little") >> 2
    return row[at + 4 : at + length].decode("utf-8", "replace"), at + max(4, length)


def schema_names(pages: Iterable[bytes], page_size: int, is_committed: IsCommitted) -> dict[int, str]:
    """The schemas in the pages of `pg_namespace`, by number."""
    return database_names(pages, page_size, is_committed)  # both begin with a number and a name


def relations(pages: Iterable[bytes], page_size: int, is_committed: IsCommitted, version: int) -> Iterator[Relation]:
    """The relations in the pages of `pg_class` of a server of that version."""
    for row in _rows(pages, page_size, kind_at(version) + 1, is_committed):
        yield relation_in(row, version)


def kind_at(version: int) -> int:
    """Where in a row of `pg_class` the relation's kind stands; what people may change follows it."""
    return 119 if version >= _FROZEN_PAGES else 115


def relation_in(row: bytes, version: int) -> Relation:
    """The relation that a row of `pg_class` tells, from its first column on."""
    at = kind_at(version)
    oid, schema, file, space = (struct.unpack_from("<I", row, place)[0] for place in (0, 68, 88, 92))
    return Relation(
        oid=oid, schema=schema, name=_name(row, 4), file=file, kind=chr(row[at]), space=space,
        shared=bool(row[at - 2]), permanent=row[at - 1] == ord("p"),
    )  # fmt: skip


def named_in(row: bytes) -> tuple[int, str]:
    """Number and name of a row in a catalog whose rows begin with both, from its first column on."""
    return int.from_bytes(row[:4], "little"), _name(row, 4)


def _name(row: bytes, at: int) -> str:
    return row[at : at + 64].split(b"\0")[0].decode("utf-8", "replace")


def _rows(
    pages: Iterable[bytes], page_size: int, least: int, is_committed: IsCommitted, *, whole: bool = False
) -> Iterator[bytes]:
    """The rows in some pages that are alive, of at least that many bytes, from their first column on, or `whole`."""
    rest = b""
    for data in pages:
        rest += data
        cut = len(rest) - len(rest) % page_size
        for start in range(0, cut, page_size):
            rows = rows_alive(rest[start : start + page_size], least, is_committed)
            yield from rows if whole else (row[row[22] :] for row in rows)
        rest = rest[cut:]


def rows_alive(page: bytes, least: int, is_committed: IsCommitted) -> Iterator[bytes]:
    """The rows on a page that are alive, of at least that many bytes, with their heads."""
    for _, row in standing(page):
        if row[22] + least <= len(row) and _is_alive(row, is_committed):
            yield row


def standing(page: bytes) -> Iterator[tuple[int, bytes]]:
    """All rows that stand on a page, alive or not, with their heads, and the numbers of their places from 1 on."""
    lower = int.from_bytes(page[12:14], "little")
    for number, at in enumerate(range(24, min(lower, len(page) - 4), 4), 1):
        pointer = int.from_bytes(page[at : at + 4], "little")
        offset, state, length = pointer & 0x7FFF, (pointer >> 15) & 3, pointer >> 17
        if state == _NORMAL and offset + length <= len(page) and length >= 24:
            yield number, page[offset : offset + length]


def _is_alive(row: bytes, is_committed: IsCommitted) -> bool:
    begun, ended = struct.unpack_from("<II", row)
    flags = int.from_bytes(row[20:22], "little")
    if flags & _FROZEN == _XMIN_INVALID:
        return False
    if not flags & _XMIN_COMMITTED and not is_committed(begun):
        return False
    if not ended or flags & (_XMAX_INVALID | _LOCK_ONLY | _IS_MULTI):
        return True
    return not (flags & _XMAX_COMMITTED or is_committed(ended))

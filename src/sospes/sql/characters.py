"""Character sets as the engines name them, and the codecs that read them.

Sources: PostgreSQL documentation, "Character Set Support"; MariaDB Knowledge Base, "Supported Character Sets".
"""

from __future__ import annotations

import codecs
from functools import cache

ANY = "utf_8"
"""The codec where any bytes may stand: most are UTF-8, and what is not stays bytes. It is never held to be broken."""

WESTERN = "sospes_cp1252"
"""The western set of single bytes, as MariaDB's latin1 has it."""

_NAMES = {
    "UTF8": "utf-8", "UNICODE": "utf-8", "UTF8MB4": "utf-8", "UTF8MB3": "utf-8",
    "BINARY": ANY, "SQL_ASCII": ANY, "LATIN1": "latin-1", "LATIN2": "iso8859-2",
    "LATIN3": "iso8859-3", "LATIN4": "iso8859-4", "LATIN5": "iso8859-9", "LATIN6": "iso8859-10",
    "LATIN7": "iso8859-13", "LATIN8": "iso8859-14", "LATIN9": "iso8859-15", "LATIN10": "iso8859-16",
    "ISO_8859_5": "iso8859-5", "ISO_8859_6": "iso8859-6", "ISO_8859_7": "iso8859-7", "ISO_8859_8": "iso8859-8",
    "WIN1250": "cp1250", "WIN1251": "cp1251", "WIN1252": "cp1252", "WIN1253": "cp1253",
    "WIN1254": "cp1254", "WIN1255": "cp1255", "WIN1256": "cp1256", "WIN1257": "cp1257",
    "WIN1258": "cp1258", "WIN866": "cp866", "WIN874": "cp874", "KOI8R": "koi8-r",
    "KOI8": "koi8-r", "KOI8U": "koi8-u", "EUC_JP": "euc_jp", "EUC_CN": "gb2312",
    "EUC_KR": "euc_kr", "EUC_TW": "euc_tw", "EUC_JIS_2004": "euc_jis_2004", "SJIS": "cp932",
    "SHIFT_JIS_2004": "shift_jis_2004", "BIG5": "big5", "GBK": "gbk", "GB18030": "gb18030",
    "UHC": "cp949", "JOHAB": "johab", "CP932": "cp932", "UJIS": "euc_jp",
    "ASCII": "ascii", "CP1251": "cp1251", "CP1250": "cp1250", "CP1257": "cp1257",
    "GB2312": "gb2312", "GREEK": "iso8859-7", "HEBREW": "iso8859-8", "EUCKR": "euc_kr",
    "UCS2": "utf-16-be", "UTF16": "utf-16-be",
}  # fmt: skip
_MARIADB_OWN = {"LATIN1": "cp1252", "LATIN5": "iso8859-9", "LATIN7": "iso8859-13"}


def codec_of(character_set: str, mariadb: bool = False) -> str | None:
    """The codec of an engine's character set; None when there is none to read it with.

    Servers store any byte under a set of single bytes, so one that the set has no character for stands for the
    character of the same number, as MariaDB's latin1 has it.
    """
    name = character_set.upper().replace("-", "").replace("ISO88591", "LATIN1")
    found = (_MARIADB_OWN.get(name) if mariadb else None) or _NAMES.get(name)
    if found is None:
        return None
    try:
        codecs.lookup(found)
    except LookupError:
        return None
    return f"sospes_{found.replace('-', '_')}" if _has_holes(found) else found


@cache
def _has_holes(codec: str) -> bool:
    if not codec.startswith(("cp125", "cp8", "iso8859")):
        return False
    return "\ufffd" in bytes(range(256)).decode(codec, "replace")


def _filled(name: str) -> codecs.CodecInfo | None:
    """A codec of single bytes without holes; `name` is that of one of Python's behind a prefix."""
    if not name.startswith("sospes_"):
        return None
    codec = name.removeprefix("sospes_")
    table = "".join(
        chr(byte) if char == "\ufffd" else char for byte, char in enumerate(bytes(range(256)).decode(codec, "replace"))
    )
    back = codecs.charmap_build(table)
    return codecs.CodecInfo(
        name=name,
        encode=lambda text, errors="strict": codecs.charmap_encode(text, errors, back),
        decode=lambda data, errors="strict": codecs.charmap_decode(bytes(data), errors, table),
    )


codecs.register(_filled)


MARKS_INSIDE = frozenset({"cp932", "shift_jis_2004", "big5", "gbk", "gb18030", "cp949", "johab"})
"""Codecs whose characters may hold the byte of a backslash. Only clients have such sets, servers don't."""


def without_marks(data: bytes, codec: str) -> bytes | None:
    """The same in UTF-8, where a backslash could be part of a character; None where it can't be, or nobody can tell."""
    if codec not in MARKS_INSIDE or b"\\" not in data or data.isascii():
        return None
    try:
        return data.decode(codec).encode()
    except UnicodeDecodeError:
        return None


def said_in(raw: bytes, codec: str) -> str:
    """Text for people and for names; where any bytes may stand, what is not UTF-8 is most often the western set."""
    if codec == ANY:
        try:
            return raw.decode("utf-8")
        except UnicodeDecodeError:
            return raw.decode(WESTERN)
    return raw.decode(codec, "replace")


def first_broken(data: bytes, codec: str, mariadb: bool = False) -> UnicodeDecodeError | None:
    """Where `data` is not valid in its character set, None if it is or nobody can tell.

    Only UTF-8 is told: of other sets servers take bytes that no table of characters has. MariaDB's UTF-8 also
    takes lone surrogates.
    """
    if codec != "utf-8" or data.isascii():
        return None
    try:
        data.decode("utf-8", "surrogatepass" if mariadb else "strict")
    except UnicodeDecodeError as error:
        return error
    return None

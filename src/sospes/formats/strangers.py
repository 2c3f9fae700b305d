"""What is no backup of a known form, in words: by its first bytes, so that people learn what they have instead."""

from __future__ import annotations

import re

from sospes.formats.form import Head
from sospes.model.findings import Finding, doubt, fault
from sospes.sql.recognising import is_text

_TAKE_AGAIN = "find out what wrote this file, then take the backup again"
_ENCRYPTED = (
    b"Salted__",
    b"-----BEGIN PGP MESSAGE",
    b"age-encryption.org/",
    b"LUKS\xba\xbe",
    b"\x8c\x0d\x04",
)
_PAGE = re.compile(rb"\s*<(?:!doctype|html|\?xml|head|body|error)\b", re.I)


def impostor(head: Head) -> Finding | None:
    """What surely is no backup, whatever words stand in it; asked before any form is."""
    plain = head.plain
    if not plain:
        return fault("empty", "the file is empty", "the backup program wrote nothing: take the backup again")
    if not plain.strip(b"\0"):
        return fault("zeros", "the file holds nothing but zero bytes", _TAKE_AGAIN)
    if plain.startswith(_ENCRYPTED):
        return doubt("encrypted", "the file is encrypted", "decrypt it first and check what comes out")
    if _PAGE.match(plain):
        title = re.search(rb"<title>([^<]{1,80})", plain, re.I)
        said = f": {title[1].decode('utf-8', 'replace').strip()}" if title else ""
        return fault("not-a-backup", f"a web page was saved under the backup's name{said}", _TAKE_AGAIN)
    return None


def stranger(head: Head) -> Finding:
    """What no form has recognised."""
    plain = head.plain
    if plain[257:262] == b"ustar":
        return doubt("tar", "the file is a tar of other files", "unpack it and verify the backups inside")
    if not is_text(plain):
        return doubt(
            "unrecognised",
            f"the bytes are of no known form, they begin with {plain[:8].hex(' ')}",
            "if it is encrypted, decrypt it first; else find out what wrote it",
        )
    line = next((part for part in plain.decode("utf-8", "replace").splitlines() if part.strip()), "")
    words = f"readable text, but no backup; it begins: {line.strip()[:100]}"
    blank = "the file holds blanks only"
    return fault("not-a-backup", words if head.whole or line else blank, _TAKE_AGAIN)

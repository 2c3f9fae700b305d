"""The seal: a sidecar that sums a backup up. docs/seal.md describes its form."""

from __future__ import annotations

import base64
import hashlib
import hmac
import json
import zlib
from dataclasses import asdict, dataclass
from pathlib import Path
from typing import TYPE_CHECKING, Any

import xxhash

from sospes.model.errors import CannotCheck, NotFound
from sospes.model.findings import Finding, fault
from sospes.stream.blocks import Digest, whole_digest
from sospes.stream.restart import Restarts

if TYPE_CHECKING:
    from sospes.work.seal.written import SealedTable

VERSION = 1
ENDING = ".seal"


@dataclass(frozen=True, slots=True, kw_only=True)
class Seal:
    """A seal's contents. `digests` are those of blocks of `block_bytes`; `signed` that it came with a signature."""

    version: int
    made_by: str
    made_at: str
    name: str
    size_bytes: int
    plain_bytes: int
    digest: Digest
    block_bytes: int
    digests: tuple[bytes, ...]
    header: dict[str, Any]
    tables: tuple[SealedTable, ...]
    restarts: Restarts
    signed: bool = False


HEADS = (64, 512, 4096)
"""Lengths of a file's beginning, in bytes, that are sealed by themselves: by them a file that was cut or grown is
known for the one that was sealed."""


def head_digests(head: bytes) -> dict[str, str]:
    """The digests of a beginning, by its length, as far as it goes."""
    return {str(length): xxhash.xxh3_128_hexdigest(head[:length]) for length in HEADS if len(head) >= length}


def seal_text(seal: Seal, key: bytes | None) -> bytes:
    """A seal as it is written: one line of JSON, and one with the digest and the signature of that line."""
    body = asdict(seal)
    del body["signed"]
    body["digests"] = [digest.hex() for digest in seal.digests]
    body["whole_digest"] = whole_digest(seal.digests, seal.digest).hex()
    body["restarts"]["prefix"] = seal.restarts.prefix.hex()
    body["restarts"]["index"] = base64.b64encode(zlib.compress(seal.restarts.index)).decode()
    line = json.dumps({"sospes_seal": VERSION, **body}, separators=(",", ":"), ensure_ascii=False).encode()
    closing = {
        "digest": hashlib.sha256(line).hexdigest(),
        "signature": None if key is None else hmac.new(key, line, hashlib.sha256).hexdigest(),
    }
    return line + b"\n" + json.dumps(closing).encode() + b"\n"


class BadSeal(Exception):
    """A sidecar that is no seal, or a damaged one; carries the finding that says so."""

    def __init__(self, finding: Finding) -> None:
        super().__init__(finding)
        self.finding = finding


def read_seal(path: Path, key: bytes | None) -> Seal:
    """Read a seal and check its own digest and signature. Raises BadSeal, and NotFound where there is none."""
    try:
        lines = path.read_bytes().split(b"\n")
        closing = json.loads(lines[1])
        whole = hashlib.sha256(lines[0]).hexdigest() == closing["digest"] and lines[2:] == [b""]
        signature = closing["signature"]
    except (ValueError, IndexError, KeyError, TypeError):
        raise BadSeal(_damaged(path)) from None
    except FileNotFoundError as error:
        raise NotFound(f"{path}: no such seal", "check the path, or make one: sospes seal BACKUP") from error
    except OSError as error:
        raise CannotCheck(f"{path}: can't be read: {error.strerror}", "check the path and the rights to it") from error
    if not whole:
        raise BadSeal(_damaged(path))
    if key is not None:
        expected = hmac.new(key, lines[0], hashlib.sha256).hexdigest()
        if not isinstance(signature, str) or not hmac.compare_digest(expected, signature):
            raise BadSeal(
                fault(
                    "seal-forged",
                    f"{path.name}: the seal is not signed with this key",
                    "somebody else made it, it was changed, or the key is another one: trust neither it nor the backup",
                ).at(file=str(path))
            )
    try:
        return _parsed(path, lines[0], signed=signature is not None)
    except (ValueError, zlib.error):
        raise BadSeal(_damaged(path)) from None


def _parsed(path: Path, line: bytes, *, signed: bool) -> Seal:
    """The contents of a whole seal.

    Raises CannotCheck for one of another version; ValueError, or what the decoders raise, for one that can't be as it
    is.
    """
    import msgspec

    from sospes.work.seal.written import WrittenSeal, WrittenVersion

    try:
        version = msgspec.json.decode(line, type=WrittenVersion).sospes_seal
        if version != VERSION:
            raise CannotCheck(
                f"{path}: is a seal of version {version!r}, this program knows {VERSION}",
                "use the version of Sospes that made it, or make a new seal",
            )
        body = msgspec.json.decode(line, type=WrittenSeal)
    except msgspec.MsgspecError as error:  # which became a ValueError only in later versions
        raise ValueError(str(error)) from None
    restarts = body.restarts
    return Seal(
        version=body.version,
        made_by=body.made_by,
        made_at=body.made_at.isoformat(),
        name=body.name,
        size_bytes=body.size_bytes,
        plain_bytes=body.plain_bytes,
        digest=body.digest,
        block_bytes=body.block_bytes,
        digests=tuple(bytes.fromhex(digest) for digest in body.digests),
        header=msgspec.to_builtins(body.header),
        tables=body.tables,
        restarts=Restarts(
            container=restarts.container,
            points=restarts.points,
            prefix=bytes.fromhex(restarts.prefix),
            index=zlib.decompress(base64.b64decode(restarts.index)),
            reason=restarts.reason,
        ),
        signed=signed,
    )


def _damaged(path: Path) -> Finding:
    return fault(
        "seal-damaged",
        f"{path.name}: the seal itself is damaged or cut off",
        "it proves nothing any more; verify the backup without it (--no-seal), and compare with another copy of both",
    ).at(file=str(path))

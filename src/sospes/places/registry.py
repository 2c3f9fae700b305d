"""The kinds of places that there are, by scheme. A new one is added here, and nowhere else."""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence
from pathlib import Path
from urllib.parse import unquote

from sospes.model.errors import UsageError
from sospes.places.local import local_files
from sospes.places.source import Source
from sospes.places.streamed import ReadOnce, Streamed

STANDARD_INPUT = "-"
_SCHEME = re.compile(r"([a-z][a-z0-9+.-]*):/")
_SCHEMES: dict[str, Callable[[Sequence[Path]], Source]] = {"": local_files}
_FILES = "sqlite"
"""A scheme whose addresses are files of this machine."""


def file_at(word: str) -> Path:
    """The file that a word names: a path, `-`, or `sqlite:///FILE`, as libraries write it.

    There FILE is a path from the current folder, and one from the root where it begins with a further slash; a path
    from the root with three slashes is understood, too, where only that one is there. Raises UsageError for a host.
    """
    if not word.startswith(f"{_FILES}:"):
        return Path(word)
    host, slash, path = word.removeprefix(f"{_FILES}:").removeprefix("//").partition("/")
    if host or not slash or not path:
        raise UsageError(f"{word}: names no file of this machine", f"write {_FILES}:///FILE, or the file's path alone")
    plain = Path(unquote(path))
    rooted = Path("/", plain)
    return rooted if rooted.exists() and not plain.exists() else plain


def open_source(paths: Sequence[Path], stdin: ReadOnce | None = None) -> Source:
    """A source over one file, over several pieces in order, or over standard input.

    Raises NotFound for what isn't there, UsageError for a folder or an unknown scheme, CannotCheck where access is
    refused.
    """
    if [str(path) for path in paths] == [STANDARD_INPUT]:
        stream = stdin.given() if stdin is not None else None
        if stream is None:
            raise UsageError("standard input can't be read a second time", "name a file instead of -")
        return Streamed(STANDARD_INPUT, stream)
    scheme = _SCHEME.match(str(paths[0]))
    name = "" if scheme is None or paths[0].exists() else scheme[1]
    if name not in _SCHEMES:
        raise UsageError(
            f"{name}://...: backups at such addresses can't be read yet",
            "fetch it first, or send it to standard input and name it -",
        )
    return _SCHEMES[name](paths)

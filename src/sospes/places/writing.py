"""Writes whole files, beside and renamed once they are complete, and files that are never seen."""

from __future__ import annotations

import os
from collections.abc import Iterable
from pathlib import Path
from tempfile import TemporaryFile
from typing import IO

from sospes.model.errors import CannotCheck


def write_whole(path: Path, parts: Iterable[bytes], advice: str) -> None:
    """Put a file in its place at once. Raises CannotCheck, with nothing changed, where that fails."""
    beside = path.with_name(f".{path.name}.{os.getpid()}.part")
    try:
        with beside.open("xb") as file:
            file.writelines(parts)
        beside.replace(path)
    except OSError as error:
        raise CannotCheck(f"{path}: can't be written: {error.strerror}", advice) from error
    finally:
        beside.unlink(missing_ok=True)


def nameless_file(folder: Path | None) -> IO[bytes]:
    """A temporary file without a name, which is gone as soon as it is closed, whatever happens."""
    return TemporaryFile(dir=folder)

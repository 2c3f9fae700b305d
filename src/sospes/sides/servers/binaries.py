"""Finds the binaries of database servers on this machine."""

from __future__ import annotations

import re
import shutil
import subprocess
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

from sospes.model.entries import Engine
from sospes.model.errors import CannotCheck

_POSTGRESQL_PLACES = (
    "/usr/lib/postgresql/*/bin", "/usr/pgsql-*/bin", "/usr/local/pgsql*/bin", "/opt/homebrew/opt/postgresql*/bin",
    "/usr/local/opt/postgresql*/bin", "/Applications/Postgres.app/Contents/Versions/*/bin",
)  # fmt: skip
_MARIADB_PLACES = ("/usr/sbin", "/usr/bin", "/usr/local/mysql*/bin", "/opt/homebrew/opt/mariadb*/bin", "/usr/libexec")
_VERSION = re.compile(r"(\d+)\.(\d+)(?:\.(\d+))?")
_NEEDED = {Engine.POSTGRESQL: ("postgres", "initdb"), Engine.MARIADB: ("mariadbd", "mariadb-install-db")}
SECONDS = 20


@dataclass(frozen=True, slots=True)
class Binaries:
    """A server's programs by name, and its version."""

    programs: dict[str, Path]
    version: tuple[int, ...]

    @property
    def words(self) -> str:
        """The version as people write it."""
        return ".".join(map(str, self.version))


def find_binaries(engine: Engine, least: tuple[int, ...], folder: Path | None) -> Binaries:
    """The oldest server that is at least as new as `least`; only in `folder` where one is named.

    Raises CannotCheck where there is none, saying what was found and what to install.
    """
    found = [*_found(engine, folder)]
    fitting = sorted((one for one in found if one.version[: len(least)] >= least), key=lambda one: one.version)
    if fitting:
        return fitting[0]
    wanted = ".".join(map(str, least)) or "any version"
    have = ", ".join(one.words for one in found)
    name = "PostgreSQL" if engine is Engine.POSTGRESQL else "MariaDB"
    package = f"postgresql-{least[0] if least else ''}" if engine is Engine.POSTGRESQL else "mariadb-server"
    raise CannotCheck(
        f"no {name} server of version {wanted} or newer is on this machine" + (f", only {have}" if have else ""),
        f"install the package {package.rstrip('-')}, or name the folder of its programs with --server-bin DIR; "
        "a private server needs no service to run",
    )


def _found(engine: Engine, folder: Path | None) -> Iterator[Binaries]:
    seen: set[Path] = set()
    for place in [folder] if folder else [*_places(engine)]:
        programs = {name: _program(place, name) for name in _NEEDED[engine]}
        paths = {name: path for name, path in programs.items() if path is not None}
        main = paths.get(_NEEDED[engine][0])
        if len(paths) < len(programs) or main is None or main.resolve() in seen:
            continue
        seen.add(main.resolve())
        version = _version(main)
        if version:
            yield Binaries(paths, version)


def _places(engine: Engine) -> Iterator[Path]:
    patterns = _POSTGRESQL_PLACES if engine is Engine.POSTGRESQL else _MARIADB_PLACES
    for pattern in patterns:
        root, _, rest = pattern.lstrip("/").partition("/")
        yield from sorted(Path("/", root).glob(rest))
    on_path = shutil.which(_NEEDED[engine][0])
    if on_path:
        yield Path(on_path).resolve().parent


def _program(folder: Path, name: str) -> Path | None:
    path = folder / name
    if path.is_file():
        return path
    elsewhere = shutil.which(name)
    return Path(elsewhere) if elsewhere and folder.name in {"sbin", "libexec"} else None


def _version(program: Path) -> tuple[int, ...]:
    try:
        done = subprocess.run([str(program), "--version"], capture_output=True, timeout=SECONDS, check=False, cwd="/")
    except (OSError, subprocess.TimeoutExpired):
        return ()
    match = _VERSION.search(done.stdout.decode("utf-8", "replace"))
    return tuple(int(part) for part in match.groups() if part is not None) if match else ()

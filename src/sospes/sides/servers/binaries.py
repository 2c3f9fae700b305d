"""Finds the binaries of database servers on this machine."""

from __future__ import annotations

import re
import shutil
import subprocess
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

from sospes.model.errors import CannotCheck

_VERSION = re.compile(r"(\d+)\.(\d+)(?:\.(\d+))?")
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


@dataclass(frozen=True, slots=True, kw_only=True)
class Installed:
    """How a kind of server is installed.

    title     what people call it
    programs  those that are needed, the server itself first
    places    patterns of the folders where systems put them
    package   what to install, given the version that is needed; `{major}` stands for its first number
    """

    title: str
    programs: tuple[str, ...]
    places: tuple[str, ...]
    package: str


def find_binaries(installed: Installed, least: tuple[int, ...], folder: Path | None) -> Binaries:
    """The oldest server that is at least as new as `least`; only in `folder` where one is named.

    Raises CannotCheck where there is none, saying what was found and what to install.
    """
    found = [*_found(installed, folder)]
    fitting = sorted((one for one in found if one.version[: len(least)] >= least), key=lambda one: one.version)
    if fitting:
        return fitting[0]
    wanted = ".".join(map(str, least)) or "any version"
    have = ", ".join(one.words for one in found)
    package = installed.package.format(major=least[0] if least else "")
    raise CannotCheck(
        f"no {installed.title} server of version {wanted} or newer is on this machine"
        + (f", only {have}" if have else ""),
        f"install the package {package.rstrip('-')}, or name the folder of its programs with --server-bin DIR; "
        "a private server needs no service to run",
    )


def find_exactly(installed: Installed, major: str, folder: Path | None) -> Binaries:
    """The newest server of one major version, as only that can read its files; only in `folder` where one is named.

    Raises CannotCheck where there is none, saying what was found and what to install.
    """
    found = [*_found(installed, folder)]
    fitting = sorted((one for one in found if str(one.version[0]) == major), key=lambda one: one.version)
    if fitting:
        return fitting[-1]
    have = ", ".join(one.words for one in found)
    raise CannotCheck(
        f"no {installed.title} server of version {major or 'unknown'} is on this machine"
        + (f", only {have}" if have else ""),
        f"install the package {installed.package.format(major=major)}, or name the folder of its programs with "
        "--server-bin DIR: files of one version can't be read by another",
    )


def _found(installed: Installed, folder: Path | None) -> Iterator[Binaries]:
    seen: set[Path] = set()
    for place in [folder] if folder else [*_places(installed)]:
        programs = {name: _program(place, name) for name in installed.programs}
        paths = {name: path for name, path in programs.items() if path is not None}
        main = paths.get(installed.programs[0])
        if len(paths) < len(programs) or main is None or main.resolve() in seen:
            continue
        seen.add(main.resolve())
        version = _version(main)
        if version:
            yield Binaries(paths, version)


def _places(installed: Installed) -> Iterator[Path]:
    for pattern in installed.places:
        root, _, rest = pattern.lstrip("/").partition("/")
        yield from sorted(Path("/", root).glob(rest))
    on_path = shutil.which(installed.programs[0])
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

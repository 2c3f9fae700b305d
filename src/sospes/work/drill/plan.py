"""Reads the file of a drill: what is wanted of which backups, and who hears of it."""

from __future__ import annotations

import difflib
import re
from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import timedelta
from pathlib import Path
from typing import Any

import msgspec

from sospes.model.drilling import (
    WrittenDrill,
    WrittenMail,
    WrittenReports,
    WrittenRun,
    WrittenTarget,
    WrittenWebhook,
)
from sospes.model.errors import UsageError
from sospes.model.spans import Spread, span_of, spread_of
from sospes.model.verdict import Rung
from sospes.places.toml import checked, line_of, read_toml

LAST_PROVEN = "last-proven"
"""What to compare with where the backup before it is meant, the last one that was proven sound."""

_ADVICE = "docs/drill.md shows what may stand in it"
_UNITS = {"B": 1, "KB": 10**3, "MB": 10**6, "GB": 10**9, "TB": 10**12, "KiB": 1 << 10, "MiB": 1 << 20,
          "GiB": 1 << 30, "TiB": 1 << 40}  # fmt: skip
_SIZE = re.compile(r"([\d.]+)\s*(\w+)")


@dataclass(frozen=True, slots=True, kw_only=True)
class Target:
    """Backups of one database or server, or of every one that is found, and what is wanted of them.

    places      folders and files that its backups lie in, and `logs` those of further parts
    rung        how high on the ladder it must come
    keep_for    what is older may go; it is told, never deleted
    spread      how backups are wanted to be spread over time
    space       bytes that a side copy may take at most
    """

    name: str
    places: tuple[Path, ...]
    logs: tuple[Path, ...]
    database: str | None
    engine: str | None
    server: str | None
    system: str | None
    each: bool
    leave_out: tuple[str, ...]
    sample: int | None
    rung: Rung
    side: str | None
    newest_within: timedelta | None
    reach_back: timedelta | None
    logs_within: timedelta | None
    spread: Spread
    keep_for: timedelta | None
    compare_with: str | None
    drift_by: str | None
    figures: str | None
    strict_unusual: bool
    seconds: int | None
    space: int | None
    options: tuple[str, ...]
    key_file: str | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Plan:
    """A drill's file, understood. `folder` is where it lies, which paths in it count from."""

    path: Path
    folder: Path
    targets: tuple[Target, ...]
    workers: int
    pause_seconds: float
    max_seconds: int | None
    hide_values: bool
    reports: WrittenReports
    mail: WrittenMail | None
    webhook: WrittenWebhook | None


def read_plan(path: Path) -> Plan:
    """Read the file of a drill.

    Raises NotFound where there is none; UsageError for what may not stand in it, with its line, names that are near,
    and what is allowed.
    """
    content = read_toml(path, "drill file", "check the path, or write one: docs/drill.md")
    text = path.read_text("utf-8")
    targets = content.get("target")
    if not isinstance(targets, list) or not targets:
        raise UsageError(f"{path}: has no [[target]]", f"write one for each database or server; {_ADVICE}")
    for number, table in enumerate(targets, 1):
        _checked(table, WrittenTarget, _Where(path, text, "target", number))
    for name, kind in _TABLES.items():
        if name in content:
            _checked(content[name], kind, _Where(path, text, name))
    known = ["target", *_TABLES]
    for key in content:
        if key not in known:
            near = difflib.get_close_matches(key, known, n=3)
            advice = f"did you mean {', '.join(near)}?" if near else f"known: {', '.join(known)}; {_ADVICE}"
            raise UsageError(f"{path}: unknown key or table {key!r}", advice)
    written = checked(content, WrittenDrill, str(path), _ADVICE)
    if twice := [name for name, count in Counter(target.name for target in written.target).items() if count > 1]:
        raise UsageError(f"{path}: two targets are called {twice[0]!r}", "give each a name of its own")
    folder = path.absolute().parent
    run = written.drill
    return Plan(
        path=path,
        folder=folder,
        targets=tuple(
            _target(one, folder, _Where(path, text, "target", number)) for number, one in enumerate(written.target, 1)
        ),
        workers=run.workers,
        pause_seconds=span_of(run.pause).total_seconds() if run.pause else 0.0,
        max_seconds=run.max_seconds,
        hide_values=run.hide_values,
        reports=written.reports,
        mail=written.mail,
        webhook=written.webhook,
    )


_TABLES: Mapping[str, type[msgspec.Struct]] = {
    "drill": WrittenRun, "reports": WrittenReports, "mail": WrittenMail, "webhook": WrittenWebhook,
}  # fmt: skip
_NAMED = re.compile(r"unknown key '([^']+)'|, ([\w-]+)(?:\[|:)")


@dataclass(frozen=True, slots=True)
class _Where:
    """A table of the file."""

    path: Path
    text: str
    table: str
    number: int = 1

    @property
    def words(self) -> str:
        """As messages name it."""
        return f"[[target]] {self.number}" if self.table == "target" else f"[{self.table}]"

    def error(self, key: str, problem: str, advice: str) -> UsageError:
        """What is wrong with a key, with its line."""
        line = line_of(self.text, key, self.table, self.number)
        at = f", line {line}" if line else ""
        return UsageError(f"{self.path}{at}, {self.words}: {problem}", advice)


def _checked(table: object, kind: type[msgspec.Struct], where: _Where) -> None:
    """See to it that a table is as it must be, and say on which line it isn't."""
    try:
        checked(table, kind, f"{where.path}, {where.words}", _ADVICE)
    except UsageError as error:
        named = _NAMED.search(error.problem.removeprefix(str(where.path)))
        key = (named[1] or named[2]) if named else ""
        line = line_of(where.text, key, where.table, where.number)
        problem = error.problem.replace(str(where.path), f"{where.path}, line {line}", 1) if line else error.problem
        raise UsageError(problem, error.hint) from error


def _target(written: WrittenTarget, folder: Path, where: _Where) -> Target:
    rung = Rung(written.rung)
    if rung is Rung.MATCHED and written.compare_with is None and written.figures is None:
        raise where.error("rung", "nothing to compare with is named", "add compare-with or figures, or lower the rung")
    if written.each and (written.database or written.system):
        key = "database" if written.database else "system"
        raise where.error(key, f"each is for all that are found, and {key} names one", "leave one of the two away")
    if written.sample and not written.each:
        raise where.error("sample", "a sample is taken of what each = true finds", "add each = true, or leave it away")
    options = [*(["--unconfined"] if written.unconfined else []), *(["--trust-backup"] if written.trust_backup else [])]
    if written.server_bin:
        options += ["--server-bin", str(folder / Path(written.server_bin).expanduser())]
    return Target(
        name=written.name,
        places=tuple(_paths(written.places, folder)),
        logs=tuple(_paths(written.with_, folder)),
        database=written.database,
        engine=written.engine,
        server=written.server,
        system=written.system,
        each=written.each,
        leave_out=tuple(written.leave_out),
        sample=written.sample,
        rung=rung,
        side=written.side,
        newest_within=_span(written.newest_within),
        reach_back=_span(written.reach_back),
        logs_within=_span(written.logs_within),
        spread=_spread(written.spread, where),
        keep_for=_span(written.keep_for),
        compare_with=written.compare_with,
        drift_by=written.drift_by,
        figures=str(folder / written.figures) if written.figures else None,
        strict_unusual=written.unusual == "doubt",
        seconds=written.max_seconds,
        space=_size(written.max_space),
        options=tuple(options),
        key_file=str(folder / Path(written.key_file).expanduser()) if written.key_file else None,
    )


def _paths(words: Iterable[str], folder: Path) -> Iterable[Path]:
    return (folder / Path(word).expanduser() for word in words)


def _span(text: str | None) -> timedelta | None:
    return None if text is None else span_of(text)


def _spread(text: str | None, where: _Where) -> Spread:
    try:
        return Spread() if text is None else spread_of(text)
    except ValueError as error:
        raise where.error("spread", str(error), "name each unit once") from error


def _size(text: str | None) -> int | None:
    if text is None:
        return None
    found = _SIZE.fullmatch(text)
    return int(float(found[1]) * _UNITS[found[2]]) if found else None


def schema() -> dict[str, Any]:
    """The JSON Schema of such a file."""
    made = msgspec.json.schema(WrittenDrill)
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", "title": "The file of a drill", **made}

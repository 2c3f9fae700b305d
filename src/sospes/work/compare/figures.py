"""Known figures: what a person noted of the rows, in a TOML file, held against what was recovered.

docs/figures.md describes the file.
"""

from __future__ import annotations

import json
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from datetime import UTC, date, datetime, timedelta
from decimal import Decimal, InvalidOperation
from pathlib import Path
from typing import Any

from sospes.model.entries import Column, Name
from sospes.model.errors import NotFound, UsageError
from sospes.model.events import Held
from sospes.model.findings import Finding, Place, doubt, fault
from sospes.model.settings import WrittenBounds, WrittenFigure
from sospes.places.toml import checked, read_toml
from sospes.rows.canonical import moment_text
from sospes.rows.totals import Total
from sospes.work.compare.sides.protocol import RowPart, RowSide
from sospes.work.seal.form import Seal
from sospes.work.selection import Selection

_NUMBERS = frozenset({"rows", "sum", "newest-within-hours"})
_HOW = "docs/figures.md shows how figures are written"


@dataclass(frozen=True, slots=True)
class Bounds:
    """What a figure may be: from `least` to `most`, both included; None for no bound. Equal texts are exact."""

    least: str | None
    most: str | None

    @property
    def words(self) -> str:
        """As people say it."""
        if self.least == self.most:
            return str(self.least)
        if self.most is None:
            return f"at least {self.least}"
        return f"at most {self.most}" if self.least is None else f"{self.least} to {self.most}"

    def holds(self, found: str) -> bool:
        """Whether a figure is within the bounds: numbers by value, all else as text."""
        number = _number(found)
        for bound, sign in ((self.least, 1), (self.most, -1)):
            if bound is None:
                continue
            other = _number(bound)
            if number is not None and other is not None:
                if (number - other) * sign < 0:
                    return False
            elif (found > bound) - (found < bound) == -sign:
                return False
        return True


@dataclass(frozen=True, slots=True, kw_only=True)
class Figure:
    """One known figure. `measure` is what is known: rows, sum, newest, newest-within-hours, value."""

    measure: str
    bounds: Bounds
    table: str | None = None
    column: str | None = None
    key: tuple[tuple[str, str], ...] = ()
    sql: str | None = None

    @property
    def label(self) -> str:
        """What it is the figure of."""
        if self.sql is not None:
            return self.sql if len(self.sql) <= 80 else self.sql[:77] + "..."
        if self.measure == "rows":
            return f"rows of {self.table}"
        where = " and ".join(f"{name} = {value}" for name, value in self.key)
        words = {"sum": "sum of", "newest": "newest", "newest-within-hours": "hours since the newest"}
        return f"{words.get(self.measure, 'value of')} {self.table}.{self.column}" + (
            f" where {where}" if where else ""
        )


@dataclass(frozen=True, slots=True, kw_only=True)
class CheckedFigure:
    """A figure and what was found. `state` is 'holds', 'differs' or 'undecided'."""

    figure: str
    expected: str
    found: str | None
    state: str


def is_figures(path: Path) -> bool:
    """Whether a file is one of known figures, by its name."""
    return path.suffix.lower() == ".toml"


def read_figures(path: Path) -> list[Figure]:
    """The figures of a file. Raises UsageError for one that says what nobody knows."""
    content = read_toml(path, "file", "check the path", exact=True)
    listed = content.get("figure")
    if not isinstance(listed, list) or set(content) != {"figure"} or not listed:
        raise UsageError(f"{path}: holds no figures", f"write one [[figure]] or more; {_HOW}")
    return [_figure(f"{path}: figure {number}", item) for number, item in enumerate(listed, 1)]


def figures_of_seal(seal: Seal) -> list[Figure]:
    """What a seal says of the rows: counts, sums, and the newest times."""
    found = []
    for table in seal.tables:
        name = table.label
        found.append(Figure(measure="rows", bounds=_exactly(str(table.rows)), table=name))
        for total in table.totals:
            if total.sum is not None:
                found.append(Figure(measure="sum", bounds=_exactly(total.sum), table=name, column=total.column))
            elif total.highest is not None and total.highest[:1].isdigit():  # not infinity
                text = moment_text(total.highest)
                found.append(Figure(measure="newest", bounds=_exactly(text), table=name, column=total.column))
    return found


def _exactly(text: str) -> Bounds:
    return Bounds(text, text)


def draft_of(seal: Seal) -> str:
    """A file of figures to begin with, from a seal's tables: for a person to thin out and to give bounds."""
    lines = [
        f"# Figures of {seal.name}, drafted on {seal.made_at}. Keep those that you know by heart or by contract,",
        "# and give bounds to those that change: rows = { least = 1000, most = 2000 }.",
    ]
    for figure in figures_of_seal(seal):
        lines += ["", "[[figure]]", f"table = {json.dumps(figure.table, ensure_ascii=False)}"]
        if figure.column is not None:
            lines.append(f"column = {json.dumps(figure.column, ensure_ascii=False)}")
        exact = figure.bounds.least or ""
        lines.append(f"{figure.measure} = {exact if figure.measure == 'rows' else json.dumps(exact)}")
    return "\n".join(lines) + "\n"


def _figure(where: str, item: object) -> Figure:
    """A figure as it was written. Raises UsageError for one that doesn't make sense."""
    found = checked(item, WrittenFigure, where, _HOW)
    measures = {name: value for name, value in _measured(found).items() if value is not None}
    if len(measures) != 1:
        stated = ", ".join(measures) or "none"
        raise UsageError(f"{where} must have one of {', '.join(_measured(found))}, and has {stated}", _HOW)
    [(measure, value)] = measures.items()
    if problem := _misfit(found, measure):
        raise UsageError(f"{where} {problem}", _HOW)
    bounds = _bounds(value, f"{where}, {measure}", numbers=measure in _NUMBERS)
    if measure == "newest-within-hours" and bounds.least == bounds.most:  # one number is the most that may go by
        bounds = Bounds(None, bounds.most)
    key = tuple((name, _text(cell)) for name, cell in found.key.items())
    return Figure(measure=measure, bounds=bounds, table=found.table, column=found.column, key=key, sql=found.sql)


def _measured(found: WrittenFigure) -> dict[str, Any]:
    """What may be known, and what is stated of it."""
    return {
        "rows": found.rows, "sum": found.sum, "newest": found.newest,
        "newest-within-hours": found.newest_within_hours, "value": found.value,
    }  # fmt: skip


def _misfit(found: WrittenFigure, measure: str) -> str:
    """What of a figure doesn't go together; empty where all does."""
    if (found.sql is None) == (found.table is None) or (found.sql is not None and measure != "value"):
        return "must name a table, or have sql and its value"
    if found.table is not None and (found.column is None) != (measure == "rows"):
        return "must name a column" if found.column is None else "counts rows, which have no column"
    if found.sql is None and (measure == "value") != bool(found.key):
        return "must name the row of its value by key = { column = value }"
    return ""


def _bounds(value: object, where: str, *, numbers: bool) -> Bounds:
    """What a figure may be; `numbers` says that nothing but a number makes sense."""
    if isinstance(value, list):
        raise UsageError(f"{where} has a list where one figure is expected", _HOW)
    if isinstance(value, dict):
        stated = checked(value, WrittenBounds, where, "bounds are written as { least = 1, most = 2 }")
        given: list[object] = [stated.least, stated.most]
        if given == [None, None]:
            raise UsageError(f"{where} has neither least nor most", _HOW)
    else:
        given = [value, value]
    texts = [None if one is None else _text(one) for one in given]
    for text in texts:
        if numbers and text is not None and _number(text) is None:
            raise UsageError(f"{where}: {text!r} is no number", _HOW)
    return Bounds(*texts)


def _text(value: object) -> str:
    """A value of TOML as the rows would have it."""
    if isinstance(value, bool):
        return "true" if value else "false"
    if isinstance(value, datetime):
        return value.isoformat(sep=" ")
    return value.isoformat() if isinstance(value, date) else str(value)


def _number(text: str) -> Decimal | None:
    """A text as a number; None if it is none, or none that can be compared."""
    try:
        number = Decimal(text)
    except InvalidOperation:
        return None
    return number if number.is_finite() else None


@dataclass(slots=True)
class _Seen:
    """What the rows of one table show."""

    columns: dict[str, Column]
    rows: int = 0
    sums: dict[str, Total] = field(default_factory=dict)
    newest: dict[str, str] = field(default_factory=dict)
    values: dict[Figure, str | None] = field(default_factory=dict)

    def take(self, part: RowPart, figures: Sequence[Figure]) -> None:
        """Take in some rows."""
        self.rows += len(part.rows)
        place = {name: index for index, name in enumerate(part.columns)}
        for name, total in self.sums.items():
            total.add([row[place[name]] for row in part.rows])
        for name in self.newest:
            texts = [moment_text(_shown(row[place[name]])) for row in part.rows if row[place[name]] is not None]
            self.newest[name] = max([self.newest[name], *(text for text in texts if text[:1].isdigit())])
        for figure in figures:
            for row in part.rows if figure.measure == "value" else ():
                if all(_same(row[place[name]], value) for name, value in figure.key):
                    cell = row[place[figure.column or ""]]
                    self.values[figure] = None if cell is None else _shown(cell)


def _shown(cell: Held) -> str:
    """A value as people read it: bytes in hex."""
    return cell.hex() if isinstance(cell, bytes) else str(cell)


def _same(cell: Held, text: str) -> bool:
    """Whether a cell is the value that was written: numbers by value, all else as text."""
    if cell is None:
        return False
    one, other = _number(_shown(cell)), _number(text)
    return one == other if one is not None and other is not None else _shown(cell) == text


def check_figures(figures: Sequence[Figure], side: RowSide, written_at: datetime | None) -> Iterator[CheckedFigure]:
    """Hold figures against a side, whose rows are read once. `written_at` is when the backup was written.

    Raises NotFound or UsageError for a table or column that isn't there.
    """
    wanted: dict[Figure, Name] = {}
    seen: dict[Name, _Seen] = {}
    for figure in figures:
        if figure.table is not None:
            name = _prepared(figure, side, seen)
            wanted[figure] = name
    by_name = {name: [figure for figure in wanted if wanted[figure] == name] for name in seen}
    for part in side.parts(lambda name: name in seen):
        if part.table in seen:
            seen[part.table].take(part, by_name[part.table])
    for figure in figures:
        found = _asked(figure, side) if figure.sql is not None else _found(figure, seen[wanted[figure]], written_at)
        state = "undecided"
        if found is not None:
            state = "holds" if figure.bounds.holds(found) else "differs"
        yield CheckedFigure(figure=figure.label, expected=figure.bounds.words, found=found, state=state)


def _prepared(figure: Figure, side: RowSide, seen: dict[Name, _Seen]) -> Name:
    """The table of a figure, with a place for what it needs."""
    selection = Selection([figure.table or ""])
    selection.see(side.tables)
    [name] = selection.settle()
    table = seen.setdefault(name, _Seen({column.name: column for column in side.tables[name].columns}))
    for column in [name for name, _ in figure.key] + ([figure.column] if figure.column else []):
        if column not in table.columns:
            raise NotFound(f"{name.label}: has no column {column!r}", f"it has: {', '.join(table.columns)}")
    if figure.measure == "sum":
        table.sums[figure.column or ""] = Total()
    elif figure.measure.startswith("newest"):
        table.newest[figure.column or ""] = ""
    return name


def _found(figure: Figure, seen: _Seen, written_at: datetime | None) -> str | None:
    """The figure as the rows have it; None where it can't be told."""
    column = figure.column or ""
    if figure.measure == "rows":
        return str(seen.rows)
    if figure.measure == "sum":
        return seen.sums[column].sum
    if figure.measure == "value":
        return seen.values.get(figure, "no such row") if figure not in seen.values else seen.values[figure] or "NULL"
    newest = seen.newest[column]
    if figure.measure == "newest" or not newest:
        return newest or "no time at all"
    return _hours(newest, written_at)


def _hours(newest: str, written_at: datetime | None) -> str | None:
    """Hours from the newest time to the backup; times without a zone count as UTC."""
    try:
        stamp = datetime.fromisoformat(newest)
    except ValueError:
        return None
    if written_at is None:
        return None
    apart: timedelta = written_at - (stamp if stamp.tzinfo else stamp.replace(tzinfo=UTC))
    return format(Decimal(str(apart.total_seconds())) / 3600, ".2f")


def _asked(figure: Figure, side: RowSide) -> str | None:
    """What a query of the user gives; None where there is nothing to ask."""
    return side.value(figure.sql or "")


def told_figures(checked: Sequence[CheckedFigure], side: RowSide) -> Iterator[Finding]:
    """What is wrong with the figures."""
    place = Place(file=side.name)
    for item in checked:
        if item.state == "differs":
            yield fault(
                "figure-differs",
                f"{item.figure}: {item.expected} is expected, {item.found} was found",
                "compare the rows with live or with another backup to find out which",
                place,
            )
        elif item.state == "undecided":
            yield doubt(
                "figure-undecided",
                f"{item.figure}: could not be told from {side.name}",
                "for sql, compare a side copy: sospes rehearse BACKUP --keep; for times, give --written-at",
                place,
            )

"""How a look at a backup is told: inspect and verify."""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from sospes.engines.registry import has_server, title_of
from sospes.formats.registry import words_of
from sospes.model.outcome import Description, Outcome, TableSummary
from sospes.model.verdict import Rung, Verdict
from sospes.report.printer import Printer
from sospes.report.words import count_severities, duration, moment, plural, size

MOST_TABLES = 40
MOST_GAPS = 5
LONGEST_LIST = 400


def tell_inspect(printer: Printer, outcome: Outcome[Description], contents: bool) -> None:
    """The header; with `contents` all tables and objects."""
    found = outcome.result
    word = "identified" if outcome.verdict is Verdict.SOUND else ""
    printer.verdict(outcome.verdict, outcome.name, _what(found), word)
    printer.findings(outcome.findings)
    if not printer.quiet and found.format is not None:
        printer.facts(_facts(found))
        if found.tables is not None:
            _tables_up_to(printer, found.tables, len(found.tables), columns=True)
            _objects(printer, found, every=contents)
    extent = (
        "everything was read, damage inside is what verify finds"
        if contents
        else "only the header was read; verify reads it all"
    )
    printer.rung(outcome.rung, extent)


def tell_verify(printer: Printer, outcome: Outcome[Description]) -> None:
    """What was read and found, then the tables."""
    found = outcome.result
    printer.verdict(outcome.verdict, outcome.name, _verify_summary(outcome))
    printer.findings(outcome.findings)
    if not printer.quiet and found.tables is not None:
        if found.tables:
            tell_tables(printer, found.tables)
        _objects(printer, found, every=False)
    if not printer.quiet and (reach := _reach(found)):
        printer.facts(reach)
    if not printer.quiet:
        read = f"read {size(found.bytes_read)}"
        if found.compression and found.checked_by != "seal" and found.plain_bytes:
            read += f", {size(found.plain_bytes)} unpacked"
        printer.line(f"  {read} in {duration(outcome.seconds)}", style="dim")
    if outcome.verdict is Verdict.UNPROVEN and found.format is not None:
        printer.next(_to_be_sure(outcome))
    printer.rung(outcome.rung, _claim(outcome.rung, found))


def _to_be_sure(outcome: Outcome[Description]) -> str:
    """The one step that decides what reading could not."""
    if outcome.result.checked_by == "seal":
        return f"read it all: sospes verify {outcome.name}"
    if not outcome.result.tables:
        return "clear up the doubts above one by one"
    if not has_server(outcome.result.engine):
        return f"have the engine load it: sospes rehearse {outcome.name}"
    return f"have its own engine restore it: sospes rehearse {outcome.name} --side private"


def _claim(rung: Rung | None, found: Description) -> str:
    """What the rung claims, in words."""
    if rung is Rung.INTACT and found.checked_by == "seal":
        return "the same bytes as when it was sealed, found sound then; restoring was not tried: rehearse does that"
    if rung is Rung.INTACT and found.values is not None:
        return "every byte read, every row's shape and values checked by type; rehearse tries to restore it"
    if rung is Rung.INTACT:
        checked = words_of(found.format or "").checked
        return f"every byte read, {checked}; restoring it was not tried" + (
            ": rehearse does that" if found.tables and words_of(found.format or "").proven_by == "rehearse" else ""
        )
    return "it is not proven intact"


def _verify_summary(outcome: Outcome[Description]) -> str:
    """The first line behind the verdict."""
    found = outcome.result
    if found.format is None:
        return count_severities(outcome.findings)
    rows = sum(table.rows or 0 for table in found.tables or ())
    held = f"{plural(len(found.tables or ()), 'table')}, {plural(rows, 'row')}"
    if found.files is not None:
        parts = [("file", found.files), ("page", found.pages), ("record of the log", found.records)]
        held = ", ".join(_plural(count, word) for word, count in parts if count is not None)
    if found.checked_by == "seal":
        if outcome.verdict is Verdict.SOUND:
            return f"every byte is as it was sealed, with {held}"
        return f"{count_severities(outcome.findings)}; compared with its seal only"
    if outcome.verdict is Verdict.SOUND:
        return f"{held}, every byte read, no damage found"
    return f"{count_severities(outcome.findings)}; {held} could be read"


def _plural(count: int, word: str) -> str:
    """A count of what may have more words behind it."""
    first, space, rest = word.partition(" ")
    return plural(count, first) + space + rest


def _what(found: Description) -> str:
    """What a backup is, in one line."""
    if found.format is None:
        return ""
    parts = [_engine(found)]
    if found.engine_version:
        parts.append(found.engine_version)
    parts.append(words_of(found.format).title)
    if found.databases:
        parts.append(f"of {', '.join(found.databases[:5])}")
    return " ".join(parts)


def _engine(found: Description) -> str:
    """What people call its engine."""
    return title_of(found.engine) if found.engine else ""


def _facts(found: Description) -> list[tuple[str, str]]:
    """What is known of a backup, line by line."""
    if found.kind == "log":
        return [
            ("engine", f"{_engine(found)} {found.engine_version or '(version not stated)'}"),
            *_log_facts(found),
            ("compression", found.compression or "none"),
            ("size", size(found.size_bytes)),
            ("complete", _complete_words(found)),
        ]
    return [
        ("engine", f"{_engine(found) or 'unknown'} {found.engine_version or '(version not stated)'}"),
        ("written by", found.program or "not stated"),
        ("databases", _databases(found)),
        ("encoding", found.encoding or "not stated"),
        ("started", found.started_at or "not stated"),
        ("written at", found.written_at or "not stated"),
        ("kind", found.kind or "unknown from the header alone: --contents tells"),
        *_physical_facts(found),
        ("compression", found.compression or "none"),
        ("size", size(found.size_bytes)),
        ("complete", _complete_words(found)),
    ]


def _physical_facts(found: Description) -> list[tuple[str, str]]:
    """What is known of a physical copy besides."""
    if found.logs_inside is None and found.log_from is None:
        return []
    upto = f" to {found.log_to}" if found.log_to else " on"
    inside = "inside" if found.logs_inside else "not inside"
    checksums = {True: "yes", False: "no", None: "unknown until all of it is read"}[found.data_checksums]
    facts = [
        ("label", found.label or "none"),
        ("system", found.system_identifier or "unknown until all of it is read"),
        (
            "log needed",
            f"{inside}, from {found.log_from}{upto}, timeline {found.timeline}" if found.log_from else inside,
        ),
        ("page checksums", checksums),
    ]
    if found.follows:
        facts.append(("builds on", f"the backup that begins at {found.follows}"))
    if found.tablespaces:
        facts.append(("tablespaces", ", ".join(found.tablespaces)))
    return facts


def _log_facts(found: Description) -> list[tuple[str, str]]:
    """What is known of a change log."""
    facts = [("system", found.system_identifier or "not stated")]
    if found.log_from is not None:
        facts.append(("log", f"from {found.log_from} to {found.log_to}, timeline {found.timeline}"))
        facts.append(("commits", _between(found.first_at, found.last_at) or "none seen in its first and last files"))
    facts.append(("files", f"{found.files or 0:,}"))
    if found.gaps:
        facts.append(("gaps", "; ".join(f"from {gap.from_} to {gap.to}" for gap in found.gaps[:MOST_GAPS])))
    return facts


def _between(first: str | None, last: str | None) -> str:
    """A stretch of time; empty where nothing is known of it."""
    return f"from {first or 'unknown'} to {last or 'unknown'}" if first or last else ""


def _reach(found: Description) -> list[tuple[str, str]]:
    """Which moments can be reached, as far as the logs were followed."""
    if found.window is None:
        return []
    window = found.window
    first, last = moment(window.from_, window.from_position), moment(window.to, window.to_position)
    return [("can reach", f"any moment from {first} to {last}")]


def _databases(found: Description) -> str:
    """Its databases; only the first ones where no more was read."""
    named = ", ".join(found.databases) or "not stated"
    return f"at least {named}; --contents tells all" if found.databases_at_least and found.databases else named


def _complete_words(found: Description) -> str:
    """Whether it is whole, in the words of its form."""
    if found.format is None:
        return "unknown"
    words = words_of(found.format)
    if found.complete is None:
        return words.unknown_packed if found.compression else words.unknown
    return words.whole if found.complete else words.cut_off


def _label(table: TableSummary) -> str:
    """A table as people call it."""
    prefix = table.schema if table.schema is not None else table.database
    return f"{prefix}.{table.name}" if prefix else table.name


def _out_of_reach(table: TableSummary) -> str:
    """How many of its rows can't be reached, in a word."""
    if table.rows_lost is not None:
        return "none"
    return "all" if table.rows is None else "some"


@dataclass(frozen=True, slots=True)
class _Count:
    """A column of counts, shown where any table has something to say in it."""

    title: str
    shown: Callable[[Sequence[TableSummary]], bool]
    cell: Callable[[TableSummary], str]


_COUNTS = (
    _Count(
        "size",
        lambda tables: any(table.size_bytes is not None for table in tables),
        lambda table: "" if table.size_bytes is None else size(table.size_bytes),
    ),
    _Count(
        "rows",
        lambda tables: any(table.rows is not None for table in tables),
        lambda table: "" if table.rows is None else f"{table.rows:,}",
    ),
    _Count(
        "damaged",
        lambda tables: any(table.rows_damaged for table in tables),
        lambda table: f"{table.rows_damaged or 0:,}",
    ),
    _Count(
        "in doubt",
        lambda tables: any(table.rows_doubtful for table in tables),
        lambda table: f"{table.rows_doubtful or 0:,}",
    ),
    _Count(
        "out of reach",
        lambda tables: any(table.rows_lost is None and table.rows_damaged is not None for table in tables),
        _out_of_reach,
    ),
)


def _tables_up_to(printer: Printer, tables: tuple[TableSummary, ...], most: int, *, columns: bool) -> None:
    shown_counts = [column for column in _COUNTS if column.shown(tables)]
    rows = []
    for table in tables[:most]:
        cells = [_label(table), *(column.cell(table) for column in shown_counts)]
        names = ", ".join(table.columns)
        listed = names if len(names) < LONGEST_LIST else names[:LONGEST_LIST] + " ..."
        rows.append([*cells, listed] if columns else cells)
    titles = ["table", *(column.title for column in shown_counts)]
    printer.table([*titles, "columns"] if columns else titles, rows, numbers=range(1, len(titles)))
    if len(tables) > most:
        printer.line(f"  ... and {plural(len(tables) - most, 'more table')}; all are in --json")


def _objects(printer: Printer, found: Description, every: bool) -> None:
    """Counts of what is no table, by kind; every one of them if asked for."""
    objects = found.objects or ()
    if not objects:
        return
    if every:
        by_kind: dict[str, list[str]] = {}
        for item in objects:
            by_kind.setdefault(item.kind, []).append(f"{item.schema}.{item.name}" if item.schema else item.name)
        printer.table(
            ["kind", "number", "names"],
            [[kind, str(len(names)), ", ".join(names)] for kind, names in by_kind.items()],
            (1,),
        )
        return
    counts = Counter(item.kind for item in objects)
    tell_counts(printer, "also", counts)


def tell_counts(printer: Printer, what: str, counts: Mapping[str, int]) -> None:
    """How many objects of each kind there are, in lines that stay in their column."""
    printer.facts([(f"{what}:", ", ".join(plural(count, kind) for kind, count in counts.items()))])


def tell_tables(printer: Printer, tables: tuple[TableSummary, ...]) -> None:
    """Tables with their rows, not too many."""
    _tables_up_to(printer, tables, MOST_TABLES, columns=printer.columns)

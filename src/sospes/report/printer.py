"""Prints outcomes for people: verdict, what and where, what to do next, then detail."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from typing import TextIO

from rich.console import Console
from rich.padding import Padding
from rich.table import Table
from rich.text import Text

from sospes.model.findings import Finding
from sospes.model.verdict import Rung, Severity, Verdict
from sospes.report.words import place_words, plural, shown

_VERDICT_STYLES = {
    Verdict.SOUND: "bold green",
    Verdict.UNSOUND: "bold red",
    Verdict.UNPROVEN: "bold yellow",
}
_SEVERITY_STYLES = {Severity.FAULT: "red", Severity.DOUBT: "yellow", Severity.NOTE: "cyan"}

MOST_FINDINGS = 20
MOST_OF_A_KIND = 5


class _Console(Console):
    """One that leaves the exit code alone: the library's own would end the program as if a fault had been found."""

    def on_broken_pipe(self) -> None:
        """Whoever read the output is gone."""
        raise BrokenPipeError


class Printer:
    """Writes to one stream; colour only where that stream is a terminal and NO_COLOR isn't set.

    limit    how many findings of a kind are listed; None for a few
    columns  whether the tables' columns are listed with them
    """

    def __init__(self, stream: TextIO, quiet: bool = False, *, limit: int | None = None, columns: bool = False) -> None:
        self.console = _Console(file=stream, highlight=False, soft_wrap=False)
        if not self.console.is_terminal:
            self.console.width = 140
        self.quiet = quiet
        self.columns = columns
        self._limit = limit

    def line(self, text: str = "", style: str = "") -> None:
        """One line of text, which may be wrapped."""
        self.console.print(Text(text, style=style))

    def verdict(self, verdict: Verdict, name: str, summary: str, word: str = "") -> None:
        """The first line of any report; `word` stands in for a verdict that would promise too much."""
        line = Text()
        line.append((word or verdict.word).upper(), style=_VERDICT_STYLES[verdict])
        line.append(f"  {shown(name)}", style="bold")
        if summary:
            line.append(f"  {shown(summary)}")
        self.console.print(line)

    def findings(self, findings: Sequence[Finding]) -> None:
        """All findings, worst first, each with its place and the next step."""
        order = {Severity.FAULT: 0, Severity.DOUBT: 1, Severity.NOTE: 2}
        listed = sorted(findings, key=lambda item: (order[item.severity], not item.is_unusual))
        if self.quiet:
            listed = [item for item in listed if item.severity is not Severity.NOTE or item.is_unusual]
        most = MOST_OF_A_KIND if self._limit is None else self._limit
        kinds: dict[tuple[Severity, str], list[Finding]] = {}
        for finding in listed:
            kinds.setdefault((finding.severity, finding.code), []).append(finding)
        told = left = 0
        for (severity, code), found in kinds.items():
            room = most if self._limit is not None else min(most, MOST_FINDINGS - told)
            for finding in found[:room]:
                self._finding(finding)
            told += len(found[:room])
            if 0 < room < len(found):
                self.line(
                    f"         ... and {plural(len(found) - room, f'more {severity.value}')} of this kind ({code})"
                )
            elif room <= 0:
                left += len(found)
        if left:
            self.line(f"  ... and {plural(left, 'finding')} of other kinds")
        if told < len(listed):
            self.line("         --limit N lists more of a kind, --json all", style="dim")

    def _finding(self, finding: Finding) -> None:
        head = Text("  ")
        head.append(f"{finding.severity.value}  ", style=_SEVERITY_STYLES[finding.severity])
        head.append(shown(finding.message), style="bold" if finding.severity is Severity.FAULT else "")
        self.console.print(head)
        where = place_words(finding.place)
        if where:
            self.console.print(Padding(Text(f"at {where}", style="dim"), (0, 0, 0, 9), expand=False))
        if finding.advice:
            self.console.print(Padding(Text(f"next: {shown(finding.advice)}"), (0, 0, 0, 9), expand=False))

    def table(self, columns: Sequence[str], rows: Iterable[Sequence[str]], numbers: Sequence[int] = ()) -> None:
        """A plain table; `numbers` are the indexes of the columns that align right."""
        table = Table(box=None, pad_edge=False, padding=(0, 2, 0, 0), header_style="dim")
        for index, column in enumerate(columns):
            table.add_column(
                column,
                justify="right" if index in numbers else "left",
                overflow="fold",
                no_wrap=index in numbers,
            )
        for row in rows:
            table.add_row(*(Text(shown(cell)) for cell in row))
        self.console.print(Padding(table, (0, 0, 0, 2), expand=False))

    def facts(self, facts: Iterable[tuple[str, str]]) -> None:
        """Names and values, one pair a line."""
        table = Table(box=None, pad_edge=False, padding=(0, 2, 0, 0), show_header=False)
        table.add_column(style="dim", no_wrap=True)
        table.add_column(overflow="fold")
        for name, value in facts:
            table.add_row(name, Text(shown(value)))
        self.console.print(Padding(table, (0, 0, 0, 2), expand=False))

    def next(self, step: str) -> None:
        """What to do about the whole, once the details are told."""
        self.console.print(Text("  what to do: ", style="bold").append(shown(step)))

    def rung(self, rung: Rung | None, claim: str = "") -> None:
        """The rung that was reached, last."""
        reached = rung.value if rung else "none"
        self.line(f"  rung: {reached}" + (f" ({claim})" if claim else ""), style="dim")

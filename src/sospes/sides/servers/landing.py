"""One shape for putting tables into a live database of any engine: all of it, or nothing."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Protocol

from sospes.engines.way_back import Rows, Step
from sospes.model.entries import Name


@dataclass(frozen=True, slots=True, kw_only=True)
class Pace:
    """How fast rows go in.

    workers  connections, or helpers of the server, that are at work at once
    gentle   whether half of the time is left to others, by pauses between blocks of rows
    """

    workers: int = 1
    gentle: bool = False


class Landing(Protocol):
    """A live database that tables are put into. Nobody else sees anything of it before `keep`.

    Each method raises CannotCheck, with all taken back, where the server refuses what can't be left out.
    """

    def aside(self, table: Name) -> str:
        """The name that a table bears until it is whole."""
        ...

    def rows_of(self, table: Name) -> int | None:
        """How many rows a table has now; None where it isn't there."""
        ...

    def define(self, step: Step) -> str:
        """Run one definition; what the server says against one that may be left out, or empty."""
        ...

    def fill(self, step: Step, rows: Rows) -> Iterator[int]:
        """Put the rows of a step in; how many at a time."""
        ...

    def orphans(self) -> list[str]:
        """References that came back without a look at the rows that were there, which don't all follow them."""
        ...

    def adjusted(self) -> Mapping[str, str]:
        """What the server said against values that it then took as any restore would give them, by step."""
        ...

    def settle(self, names: Mapping[Name, str]) -> None:
        """Give tables their names, all at once; `names` has those that they bore, by those that they are to bear."""
        ...

    def keep(self) -> None:
        """Let everybody see it."""
        ...

    def abandon(self) -> None:
        """Take everything away again that was made."""
        ...

"""The tree of errors: what stops the work, as against what is found in a backup."""

from __future__ import annotations


class SospesError(Exception):
    """Something stopped the work. `problem` says what, to what; `hint` is the user's next step."""

    exit_code = 3

    def __init__(self, problem: str, hint: str = "") -> None:
        super().__init__(problem, hint)  # both in `args`, so that a worker process can send it back
        self.problem = problem
        self.hint = hint

    def __str__(self) -> str:
        return self.problem


class UsageError(SospesError):
    """The request itself is wrong: an output that exists, an ambiguous name, a folder without a backup."""

    exit_code = 2


class CannotCheck(SospesError):
    """Something stands in the way, so nothing is known about the backup."""


class NoRoom(CannotCheck):
    """There is not enough space for what was asked."""


class NotFound(CannotCheck):
    """A file, table, column or setting that was named isn't there."""

    exit_code = 2

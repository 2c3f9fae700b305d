"""Who wrote a script: a backup program, whose wording is known, or a person, who may write whatever the engine takes.

What looks like damage in the first may be meant in the second: a value that is computed, a column that is left to its
default, a statement that no program writes. So what is inferred from wording is a fault in a program's script only.
"""

from __future__ import annotations

import re
from dataclasses import replace

from sospes.model.entries import ConstraintKind, Engine, Entry
from sospes.model.findings import Finding
from sospes.model.kinds import Kind
from sospes.model.verdict import Severity

_LOWER_WORD = re.compile(rb"[a-z]{3,}\b")
_PROGRAMS_LOWER = frozenset({b"set", b"commit"})
"""Words that MySQL's and MariaDB's programs write small, around rows that go in as one transaction."""

_POSTGRESQL_TABLE = re.compile(rb"CREATE (?:UNLOGGED |FOREIGN )?TABLE .*? \(\n(?:\)|    )", re.S)
_MARIADB_TABLE = re.compile(
    rb"(?:/\*M?!\d+ )?CREATE (?:OR REPLACE )?(?:TEMPORARY )?TABLE (?:IF NOT EXISTS )?.*? \(\n  \S+(?: \S+)*? [a-z]",
    re.S,
)
_KEY_BEHIND_TYPE = re.compile(rb"\n  [^\n]* PRIMARY KEY(?:,|\n)")
_SQLITE_ROWS = re.compile(rb"(?:INSERT|REPLACE) INTO .*VALUES$", re.S)
_SERIAL = re.compile(r"(?:big|small)?serial[248]?$", re.I)

BY_HAND = "somebody wrote this script by hand, so it may be meant"
MARKS_IN_LETTERS = "letters of the script's character set may hold backslashes, which can't be told from marks"
_INFERRED = frozenset(
    (
        "row-shape value-unreadable value-type more-row-faults statement-unreadable "
        "definition-unreadable table-undefined column-unknown defined-twice dropped-again changed-again key-repeated "
        "null-forbidden check-broken reference-broken announced-otherwise side-copy-damaged"
    ).split()
)
"""Codes of faults that rest on what backup programs write, and not on what an engine would surely refuse."""
_CUT_WRONG = frozenset(
    (
        "row-unreadable truncated text-lost rows-lost closing-line-missing definition-damaged encoding-broken "
        "statement-failed rows-refused object-missing table-refused"
    ).split()
)
"""What else may come of a statement that was cut in the wrong place."""


class Authorship:
    """Looks at the statements of one script as they come.

    by_hand   a statement was seen that no program words like this
    laid_out  a definition or a row was seen as programs lay them out
    """

    def __init__(self, engine: Engine) -> None:
        self._engine = engine
        self.by_hand = False
        self.laid_out = False
        self._has_path = False

    def definition(self, entry: Entry) -> None:
        """Take in a statement that is not one of plain rows."""
        text = entry.definition
        if self._engine is Engine.SQLITE:
            return  # its scripts hold the definitions as people wrote them
        word = _LOWER_WORD.match(text)
        if word is not None and word[0] not in _PROGRAMS_LOWER:
            self.by_hand = True
        if entry.kind == Kind.SETTING and b"search_path" in text[:60]:
            self._has_path = True
        if entry.kind == Kind.TABLE:
            self._seen(self._is_laid_out(entry))

    def rows(self, opening: bytes, *, qualified: bool) -> None:
        """Take in the opening of rows; `qualified` says that it names the table's schema."""
        if self._engine is Engine.SQLITE:
            self._seen(_SQLITE_ROWS.match(opening) is not None)
        elif _LOWER_WORD.match(opening) or (self._engine is Engine.POSTGRESQL and not (qualified or self._has_path)):
            self.by_hand = True

    def _seen(self, laid_out: bool) -> None:
        self.laid_out = self.laid_out or laid_out
        self.by_hand = self.by_hand or not laid_out

    def _is_laid_out(self, entry: Entry) -> bool:
        text = entry.definition
        if self._engine is not Engine.POSTGRESQL:
            return _MARIADB_TABLE.match(text) is not None and _KEY_BEHIND_TYPE.search(text) is None
        keys = {constraint.kind for constraint in entry.constraints} - {ConstraintKind.CHECK}
        serial = any(_SERIAL.match(column.type) for column in entry.columns)
        return _POSTGRESQL_TABLE.match(text) is not None and not keys and not serial


def weakened(finding: Finding, why: str) -> Finding:
    """What a finding is in a script whose wording proves nothing, for a reason: a doubt where it rests on wording."""
    codes = _INFERRED | _CUT_WRONG if why == MARKS_IN_LETTERS else _INFERRED
    if finding.severity is not Severity.FAULT or finding.code not in codes:
        return finding
    return doubted(finding, why)


def doubted(finding: Finding, why: str) -> Finding:
    """The same as a doubt, for a reason that only the engine can overrule."""
    return replace(finding, severity=Severity.DOUBT, advice=f"{why}: rehearse it on a server of its engine")

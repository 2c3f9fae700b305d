"""What all reports of a drill say alike: how many of what verdict, in a sentence."""

from __future__ import annotations

from collections import Counter
from datetime import datetime

from sospes.model.outcome import Outcome
from sospes.model.verdict import Verdict
from sospes.report.words import ago, plural
from sospes.work.drill.drill import Drilled
from sospes.work.drill.proving import TargetResult


def counts(outcome: Outcome[Drilled]) -> dict[str, int]:
    """How many targets have each verdict, worst first, and how many were left out."""
    found = Counter("left out" if target.skipped else target.verdict for target in outcome.result.targets)
    order = [verdict.word for verdict in sorted(Verdict, reverse=True)] + ["left out"]
    return {word: found[word] for word in order if found[word]}


def sentence(outcome: Outcome[Drilled]) -> str:
    """The whole drill in one line."""
    parts = ", ".join(f"{number:,} {word}" for word, number in counts(outcome).items())
    return f"{parts} of {plural(len(outcome.result.targets), 'target')}"


def subject(outcome: Outcome[Drilled]) -> str:
    """The line that a mail begins with: the worst first, with names."""
    bad = [target.name for target in outcome.result.targets if target.worst is not Verdict.SOUND]
    named = f": {', '.join(bad[:3])}{f' and {len(bad) - 3} more' if len(bad) > 3 else ''}" if bad else ""
    unusual = f"; {plural(len(outcome.result.look_at), 'thing')} to look at" if outcome.result.look_at else ""
    return f"sospes drill {outcome.verdict.word}: {sentence(outcome)}{named}{unusual}"


def is_trouble(outcome: Outcome[Drilled]) -> bool:
    """Whether somebody has to do something."""
    return outcome.verdict is not Verdict.SOUND or bool(outcome.result.look_at)


def age(target: TargetResult, ended_at: str) -> str:
    """How old a target's newest backup is; marked where only its file's time says so."""
    if target.written_at is None:
        return ""
    span = datetime.fromisoformat(ended_at) - datetime.fromisoformat(target.written_at)
    return ago(span) + ("" if target.written_stated else "*")

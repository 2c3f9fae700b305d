"""A drill as one page that needs nothing else: for a browser, a phone, a printer, or a mail."""

from __future__ import annotations

import shlex
from datetime import datetime
from importlib import resources

from jinja2 import Environment, StrictUndefined
from markupsafe import Markup

from sospes import __version__
from sospes.model.outcome import Outcome
from sospes.model.verdict import LADDER, Severity, Verdict
from sospes.report.drill.summing import age, counts, sentence
from sospes.report.words import duration, place_words, plural, shown, size
from sospes.work.drill.drill import Drilled
from sospes.work.drill.proving import TargetResult


def page(outcome: Outcome[Drilled]) -> bytes:
    """The page, with figures."""
    return _rendered("page.html", outcome).encode("utf-8", "replace")


def mail_page(outcome: Outcome[Drilled]) -> str:
    """The same for a mail, whose readers show no figures of their own."""
    return _rendered("mail.html", outcome)


def _rendered(name: str, outcome: Outcome[Drilled]) -> str:
    environment = Environment(autoescape=True, undefined=StrictUndefined, trim_blocks=True, lstrip_blocks=True)
    environment.filters.update(size=size, duration=duration, shown=shown, where=place_words)
    environment.globals.update(
        age=lambda target: age(target, outcome.result.ended_at), ladder=_ladder, trend=_trend, day=_day,
        command=lambda words: f"sospes {shlex.join(words)}", plural=plural,
    )  # fmt: skip
    text = (resources.files("sospes") / "report" / "drill" / name).read_text("utf-8")
    found = outcome.result
    return environment.from_string(text).render(
        outcome=outcome,
        drill=found,
        verdict=outcome.verdict.word,
        sentence=sentence(outcome),
        counts=counts(outcome),
        wrong=[target for target in found.targets if target.worst is not Verdict.SOUND],
        unproven=[target for target in found.targets if target.not_proven],
        left=[target for target in found.targets if target.skipped],
        version=__version__,
        note=Severity.NOTE,
    )


def _ladder(target: TargetResult) -> list[tuple[str, str]]:
    """The rungs of the ladder, each reached, missing, or not asked for."""
    reached = [rung.value for rung in LADDER].index(target.rung) if target.rung else -1
    wanted = [rung.value for rung in LADDER].index(target.wanted)
    states = ["reached" if number <= reached else "missing" if number <= wanted else "unasked" for number in range(7)]
    return [(rung.value, state) for rung, state in zip(LADDER, states, strict=True)]


def _trend(target: TargetResult) -> Markup | str:
    """How long it took on the last nights, as a small figure."""
    from sospes.report.figures import trend

    return Markup(trend([*target.history_seconds])) if len(target.history_seconds) > 1 else ""


def _day(moment: str | None) -> str:
    return "" if moment is None else datetime.fromisoformat(moment).strftime("%Y-%m-%d %H:%M")

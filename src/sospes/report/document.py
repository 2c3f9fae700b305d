"""The one JSON document that a command prints."""

from __future__ import annotations

import dataclasses
import json
from collections.abc import Sequence
from typing import Any

from sospes import __version__
from sospes.model.findings import Finding, doubt
from sospes.model.outcome import Outcome
from sospes.model.verdict import Rung, Verdict, highest_rung


def document(command: str, outcomes: Sequence[Outcome[Any]], backups: Sequence[str], seconds: float) -> str:
    """The document for one command; with several outcomes `result` is a list, each with its own verdict."""
    evidence = _common_evidence(outcomes)
    results = [plain(outcome.result) for outcome in outcomes]
    if len(outcomes) > 1:
        for outcome, result in zip(outcomes, results, strict=True):
            result.update(
                verdict=outcome.verdict.word,
                rung=outcome.rung,
                findings=[finding_fields(finding) for finding in outcome.findings],
            )
    return json.dumps(
        {
            "sospes": __version__,
            "command": command,
            "verdict": max((outcome.verdict for outcome in outcomes), default=Verdict.SOUND).word,
            "rung": highest_rung(evidence),
            "seconds": round(seconds, 4),
            "backups": list(backups),
            "findings": [finding_fields(finding) for outcome in outcomes for finding in outcome.findings],
            "evidence": evidence,
            "result": results if len(results) > 1 else next(iter(results), {}),
        },
        ensure_ascii=False,
        indent=2,
    )


def failure(command: str, problem: str, hint: str, verdict: Verdict) -> str:
    """The document for a command that could not be carried out."""
    finding = finding_fields(doubt("not-carried-out", problem, hint))
    return json.dumps(
        {
            "sospes": __version__, "command": command, "verdict": verdict.word, "rung": None, "seconds": 0.0,
            "backups": [], "findings": [finding], "evidence": [], "result": {},
        },
        ensure_ascii=False, indent=2,
    )  # fmt: skip


def finding_fields(finding: Finding) -> dict[str, Any]:
    """A finding as the contract has it."""
    fields: dict[str, Any] = plain(finding)
    return fields


def _common_evidence(outcomes: Sequence[Outcome[Any]]) -> list[Rung]:
    """The rungs that every backup has reached, in ladder order."""
    return [rung for rung in Rung if outcomes and all(rung in outcome.evidence for outcome in outcomes)]


def plain(value: Any) -> Any:
    """A value as documents have it."""
    if dataclasses.is_dataclass(value) and not isinstance(value, type):
        # A name that is a word of Python has an underscore behind it.
        return {field.name.rstrip("_"): plain(getattr(value, field.name)) for field in dataclasses.fields(value)}
    if isinstance(value, tuple | list):
        return [plain(item) for item in value]
    if isinstance(value, dict):
        return {key: plain(item) for key, item in value.items()}
    if isinstance(value, bytes):
        return "\\x" + value.hex()
    return value

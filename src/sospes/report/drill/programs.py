"""A drill for other programs: JUnit XML, OpenMetrics text, JSON lines.

Sources: the JUnit XML that continuous integration servers read; the OpenMetrics text format 1.0.
"""

from __future__ import annotations

import json
import re
from collections.abc import Iterator, Mapping
from datetime import datetime
from xml.etree import ElementTree

from sospes.model.findings import Finding
from sospes.model.outcome import Outcome
from sospes.model.verdict import LADDER, Rung, Severity, Verdict
from sospes.report.document import plain
from sospes.work.drill.drill import Drilled
from sospes.work.drill.proving import TargetResult

_NOT_XML = re.compile("[^\t\n\r -\ud7ff\ue000-\ufffd\U00010000-\U0010ffff]")
"""Characters that XML can't hold, even escaped."""


def junit(outcome: Outcome[Drilled]) -> bytes:
    """A test suite with a case for each target: unsound is a failure, unproven an error, left out a skip."""
    found = outcome.result
    cases = found.targets
    suite = ElementTree.Element(
        "testsuite",
        name=_xml(found.drill),
        tests=str(len(cases) + len(found.unsent)),
        failures=str(sum(case.worst is Verdict.UNSOUND for case in cases)),
        errors=str(sum(case.worst is Verdict.UNPROVEN for case in cases) + len(found.unsent)),
        skipped=str(sum(bool(case.skipped) and case.worst is Verdict.SOUND for case in cases)),
        time=f"{outcome.seconds:.3f}",
        timestamp=found.began_at,
    )
    for case in cases:
        element = ElementTree.SubElement(
            suite, "testcase", classname="sospes.drill", name=_xml(case.name), time=f"{case.seconds:.3f}"
        )
        _outcome_of(element, case)
        told = "\n".join(_line(finding) for finding in case.findings)
        ElementTree.SubElement(element, "system-out").text = _xml(told or case.reason)
    for finding in found.unsent:
        element = ElementTree.SubElement(suite, "testcase", classname="sospes.drill", name=_xml(finding.code), time="0")
        ElementTree.SubElement(element, "error", message=_xml(finding.message), type="unproven")
    ElementTree.indent(suite)
    text: bytes = ElementTree.tostring(suite, encoding="utf-8", xml_declaration=True)
    return text + b"\n"


def _outcome_of(element: ElementTree.Element, case: TargetResult) -> None:
    if case.worst is Verdict.SOUND:
        if case.skipped:
            ElementTree.SubElement(element, "skipped", message=_xml(case.skipped))
        return
    kind = "failure" if case.worst is Verdict.UNSOUND else "error"
    wrong = ElementTree.SubElement(element, kind, message=_xml(case.reason), type=case.verdict)
    wrong.text = _xml("\n".join(_line(item) for item in case.findings if item.severity is not Severity.NOTE))


def _line(finding: Finding) -> str:
    advice = f"; next: {finding.advice}" if finding.advice else ""
    return f"{finding.severity.value} {finding.code}: {finding.message}{advice}"


def _xml(text: str) -> str:
    return _NOT_XML.sub("\ufffd", text)


def metrics(outcome: Outcome[Drilled]) -> bytes:
    """Gauges for a collector of metrics, one sample for each target."""
    return ("\n".join([*_metrics(outcome), "# EOF"]) + "\n").encode()


def _metrics(outcome: Outcome[Drilled]) -> Iterator[str]:
    found = outcome.result
    ended = datetime.fromisoformat(found.ended_at)
    looked = [target for target in found.targets if not target.skipped]
    yield from _gauge(
        "sospes_target_verdict", "0 sound, 1 unproven, 2 unsound", {one.name: int(one.worst) for one in looked}
    )
    yield from _gauge(
        "sospes_target_rung",
        f"the rung reached: 0 none, {', '.join(f'{number} {rung.value}' for number, rung in enumerate(LADDER, 1))}",
        {one.name: LADDER.index(Rung(one.rung)) + 1 if one.rung else 0 for one in looked},
    )
    yield from _gauge(
        "sospes_target_unusual", "things about the data to look at",
        {one.name: sum(item.is_unusual for item in one.findings) for one in looked},
    )  # fmt: skip
    yield from _gauge("sospes_target_seconds", "how long it took to prove", {one.name: one.seconds for one in looked})
    ages = {
        one.name: round((ended - datetime.fromisoformat(one.written_at)).total_seconds())
        for one in found.targets
        if one.written_at
    }
    yield from _gauge("sospes_backup_age_seconds", "age of the newest backup", ages)
    sizes = {one.name: one.size_bytes for one in found.targets if one.size_bytes is not None}
    yield from _gauge("sospes_backup_size_bytes", "stored size of the newest backup", sizes)
    rows = {one.name: one.rows for one in looked if one.rows is not None}
    yield from _gauge("sospes_backup_rows", "rows that were read of it", rows)
    yield "# HELP sospes_drill_verdict 0 sound, 1 unproven, 2 unsound"
    yield "# TYPE sospes_drill_verdict gauge"
    yield f"sospes_drill_verdict {int(outcome.verdict)}"
    yield "# HELP sospes_drill_seconds how long the drill took"
    yield "# TYPE sospes_drill_seconds gauge"
    yield f"sospes_drill_seconds {outcome.seconds:.3f}"
    yield "# HELP sospes_drill_end_timestamp_seconds when the drill ended"
    yield "# TYPE sospes_drill_end_timestamp_seconds gauge"
    yield f"sospes_drill_end_timestamp_seconds {ended.timestamp():.0f}"


def _gauge(name: str, meaning: str, values: Mapping[str, int | float]) -> Iterator[str]:
    if not values:
        return
    yield f"# HELP {name} {meaning}"
    yield f"# TYPE {name} gauge"
    for target, value in values.items():
        label = target.replace("\\", r"\\").replace('"', r"\"").replace("\n", r"\n")
        yield f'{name}{{target="{label}"}} {value}'


def json_lines(outcome: Outcome[Drilled]) -> bytes:
    """A line for the drill, and one for each target."""
    found = outcome.result
    drill = {
        "drill": found.drill, "verdict": outcome.verdict.word, "began_at": found.began_at, "ended_at": found.ended_at,
        "seconds": round(outcome.seconds, 3), "look_at": plain(found.look_at),
        "unsent": plain(found.unsent),
    }  # fmt: skip
    lines = [drill, *({"target": target.name, **plain(target)} for target in found.targets)]
    return b"".join(json.dumps(line, ensure_ascii=False).encode("utf-8", "replace") + b"\n" for line in lines)

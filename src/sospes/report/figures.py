"""Figures: how size, rows and restore times have grown, night by night."""

from __future__ import annotations

import io
from collections.abc import Mapping, Sequence
from datetime import UTC, datetime

import matplotlib as mpl
import numpy as np
from matplotlib.axes import Axes
from matplotlib.figure import Figure
from numpy.typing import NDArray

from sospes.model.errors import UsageError
from sospes.model.verdict import Verdict
from sospes.report.words import shown
from sospes.work.ledger.proof import Proof

MOST_LINEAGES = 8
_KINDS = {".svg": "svg", ".png": "png", ".pdf": "pdf"}
_UNITS = ((1 << 30, "GiB"), (1 << 20, "MiB"), (1 << 10, "KiB"))


def history(lineages: Mapping[str, Sequence[Proof]], ending: str) -> bytes:
    """A picture of each lineage's size, rows and restore times, in the format of a file's ending.

    The lineages with most proofs are drawn. Raises UsageError for an ending that names no format.
    """
    kind = _KINDS.get(ending.lower())
    if kind is None:
        raise UsageError(f"{ending or 'no ending'}: no format of figures", f"name a file in {', '.join(_KINDS)}")
    chosen = dict(sorted(lineages.items(), key=lambda item: -len(item[1]))[:MOST_LINEAGES])
    largest = max((proof.size_bytes or 0 for proofs in chosen.values() for proof in proofs), default=0)
    scale, unit = next((one for one in _UNITS if largest >= one[0]), _UNITS[-1])
    figure = Figure(figsize=(11, 8), layout="constrained")
    size, rows, restores = figure.subplots(3, 1, sharex=True)
    for name, proofs in chosen.items():
        label = shown(name if len(name) < 60 else name[:57] + "...").replace("$", r"\$")
        _line(size, [(proof.dated, proof.size_bytes / scale) for proof in proofs if proof.size_bytes], label)
        _line(rows, [(proof.dated, proof.rows) for proof in proofs if proof.rows is not None], label)
        _line(restores, [(proof.dated, proof.seconds) for proof in proofs if proof.steps], label)
        _odd(size, proofs, scale)
    for axes, title in ((size, f"size, {unit}"), (rows, "rows"), (restores, "restore, seconds")):
        axes.set_ylabel(title)
        axes.set_ylim(bottom=0)
        axes.grid(alpha=0.3)
        for side in ("top", "right"):
            axes.spines[side].set_visible(False)
    size.set_title(
        "Backups by the day they were written; a cross marks one that was called unsound", loc="left", fontsize=10
    )
    handles, labels = size.get_legend_handles_labels()
    if handles:
        figure.legend(handles, labels, loc="outside lower center", ncols=2, fontsize=8, frameon=False)
    restores.tick_params(axis="x", labelrotation=30)
    return _bytes(figure, kind)


def _line(axes: Axes, points: Sequence[tuple[datetime, float]], label: str) -> None:
    if points:
        axes.plot(
            _times([when for when, _ in points]), [value for _, value in points], marker=".", linewidth=1.2, label=label
        )


def _times(moments: Sequence[datetime]) -> NDArray[np.datetime64]:
    """Moments as figures place them, in UTC."""
    return np.array([moment.astimezone(UTC).replace(tzinfo=None) for moment in moments], dtype="datetime64[ms]")


def _odd(axes: Axes, proofs: Sequence[Proof], scale: int) -> None:
    """Marks what was not sound."""
    for proof in proofs:
        if proof.verdict == Verdict.UNSOUND.word and proof.size_bytes:
            axes.plot(_times([proof.dated]), [proof.size_bytes / scale], "X", color="#b3261e", markersize=9)


def trend(values: Sequence[float]) -> str:
    """A small line of some values, the last one marked, as SVG to stand in a page; empty for fewer than two."""
    if len(values) < 2:
        return ""
    with mpl.rc_context({"svg.hashsalt": "sospes", "svg.fonttype": "none"}):
        figure = Figure(figsize=(1.3, 0.32))
        axes = figure.add_axes((0.02, 0.1, 0.94, 0.8))
        axes.plot(range(len(values)), values, color="#5b7c99", linewidth=1.2)
        axes.plot([len(values) - 1], [values[-1]], marker="o", markersize=3, color="#1f4e79")
        axes.set_axis_off()
        text = _bytes(figure, "svg").decode()
    return text[text.index("<svg") :]


def _bytes(figure: Figure, kind: str) -> bytes:
    target = io.BytesIO()
    metadata = {"Date": None} if kind == "svg" else None
    figure.savefig(target, format=kind, transparent=kind == "svg", metadata=metadata, dpi=110)
    return target.getvalue()

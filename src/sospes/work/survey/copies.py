"""Copies of one backup: files of the same size whose bytes agree, as far as they were looked at."""

from __future__ import annotations

from collections.abc import Sequence

import xxhash

from sospes.model.errors import SospesError
from sospes.places.registry import open_source
from sospes.work.survey.heads import Head

SAMPLE_BYTES = 16 << 10
"""Bytes that are compared at the beginning, the middle and the end."""


def alike(heads: Sequence[Head]) -> dict[str, tuple[str, str]]:
    """For each further copy the path of the first one, and what shows it: `bytes`, or `samples` of them.

    Digests that are known decide; other files of one size are held to be copies if beginning, middle and end agree.
    """
    sizes: dict[int, list[Head]] = {}
    for head in heads:
        if not head.candidate.folder and head.candidate.size_bytes:
            sizes.setdefault(head.candidate.size_bytes, []).append(head)
    found: dict[str, tuple[str, str]] = {}
    for group in sizes.values():
        if len(group) > 1:
            found.update(_of_one_size(group))
    return found


def _of_one_size(group: Sequence[Head]) -> dict[str, tuple[str, str]]:
    first: dict[str, Head] = {}
    found = {}
    for head in sorted(group, key=lambda head: str(head.candidate.paths[0])):
        sample = _sample(head)
        if sample is None:
            continue
        same = first.setdefault(sample, head)
        if same is head or (same.digest and head.digest and same.digest != head.digest):
            continue
        sure = "bytes" if same.digest and same.digest == head.digest else "samples"
        found[str(head.candidate.paths[0])] = (str(same.candidate.paths[0]), sure)
    return found


def _sample(head: Head) -> str | None:
    """A digest over beginning, middle and end; None where they can't be read any more."""
    size = head.candidate.size_bytes
    digest = xxhash.xxh3_128()
    try:
        source = open_source(head.candidate.paths)
        for start in sorted({0, max(0, size // 2 - SAMPLE_BYTES // 2), max(0, size - SAMPLE_BYTES)}):
            digest.update(source.part(start, SAMPLE_BYTES))
    except SospesError:
        return None
    return digest.hexdigest()

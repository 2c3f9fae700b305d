"""Ways of damaging a file, each seeded: for tests, the fuzz target and the damage bench."""

from __future__ import annotations

import random
from collections.abc import Callable

PAGE = 4096
Damage = Callable[[bytes, random.Random], tuple[bytes, int]]


def flipped_bit(whole: bytes, chance: random.Random) -> tuple[bytes, int]:
    """One bit is another; the place of its byte."""
    at = chance.randrange(len(whole))
    return whole[:at] + bytes([whole[at] ^ 1 << chance.randrange(8)]) + whole[at + 1 :], at


def cut(whole: bytes, chance: random.Random) -> tuple[bytes, int]:
    """The end is gone; the place of the cut."""
    at = chance.randrange(len(whole))
    return whole[:at], at


def zeroed_page(whole: bytes, chance: random.Random) -> tuple[bytes, int]:
    """4 KiB on a border of 4 KiB are zeros."""
    at = chance.randrange(-(-len(whole) // PAGE)) * PAGE
    part = whole[at : at + PAGE]
    return whole[:at] + bytes(len(part)) + whole[at + PAGE :], at


def swapped_pages(whole: bytes, chance: random.Random) -> tuple[bytes, int]:
    """Two runs of 4 KiB have changed places; the place of the first."""
    pages = [whole[at : at + PAGE] for at in range(0, len(whole), PAGE)]
    one, other = sorted((chance.randrange(len(pages)), chance.randrange(len(pages))))
    pages[one], pages[other] = pages[other], pages[one]
    return b"".join(pages), one * PAGE


def doubled_chunk(whole: bytes, chance: random.Random) -> tuple[bytes, int]:
    """A chunk stands twice; the place of the second."""
    at = chance.randrange(len(whole))
    length = chance.randrange(1, 20_000)
    return whole[:at] + whole[max(0, at - length) :], at


DAMAGES: dict[str, Damage] = {
    "flipped bit": flipped_bit,
    "cut off": cut,
    "zeroed 4 KiB": zeroed_page,
    "swapped 4 KiB": swapped_pages,
    "doubled chunk": doubled_chunk,
}

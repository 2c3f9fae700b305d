"""Files that people write, in TOML: read, and held against what they may say, by one validating layer.

The layer is msgspec: it is small, strict, checks types and unknown keys in one pass, and says where something is wrong.
"""

from __future__ import annotations

import difflib
import re
import tomllib
from collections.abc import Mapping
from pathlib import Path
from typing import Any, Literal, TypeVar, get_args, get_origin

import msgspec

from sospes.model.errors import NotFound, UsageError

Kind = TypeVar("Kind", bound=msgspec.Struct)
_UNKNOWN = re.compile(r"unknown field `(.*)`", re.DOTALL)
_WHERE = re.compile(r" - at `(?:key in )?\$\.?(.*)`$", re.DOTALL)
_WORDS = {
    "`str`": "a text", "`int`": "a whole number", "`bool`": "true or false", "`float`": "a number",
    "`object`": "a table", "`array`": "a list", "`null`": "nothing", "`datetime`": "a time",
}  # fmt: skip
"""What types are called in such a file."""


def read_toml(path: Path, what: str, advice: str, *, exact: bool = False) -> dict[str, Any]:
    """The content of a file, `exact` with numbers that have a point as the texts that they are.

    Raises NotFound where there is none, UsageError for what is no TOML, or can't be read.
    """
    try:
        return tomllib.loads(path.read_text("utf-8"), **({"parse_float": str} if exact else {}))
    except FileNotFoundError as error:
        raise NotFound(f"{path}: no such {what}", advice) from error
    except (tomllib.TOMLDecodeError, UnicodeDecodeError) as error:
        raise UsageError(f"{path}: is not valid TOML: {error}", "mend that line of the file") from error
    except OSError as error:
        raise UsageError(f"{path}: can't be read: {error.strerror}", advice) from error


def line_of(text: str, key: str, table: str = "", number: int = 1) -> int | None:
    """The line, counted from 1, on which a file sets a key: in its beginning, or in the nth table of a name.

    None where it can't be told, as with tables that are written in one line.
    """
    inside, met = not table, 0
    for count, line in enumerate(text.splitlines(), 1):
        if head := _TABLE.match(line):
            met += head[1].strip() == table
            inside = bool(table) and head[1].strip() == table and met == number
        elif inside and (found := _KEY.match(line)) and found[1].strip("\"'") == key:
            return count
    return None


_TABLE = re.compile(r"\s*\[{1,2}([^\[\]]+)\]{1,2}\s*(?:#.*)?$")
_KEY = re.compile(r"""\s*("[^"]+"|'[^']+'|[\w-]+)\s*=""")


def checked(content: object, kind: type[Kind], where: str, advice: str) -> Kind:
    """A table of a file as what it has to be. `where` names file and table.

    Raises UsageError for a key that nobody knows, with those that are near, and for a value of another type.
    """
    if not isinstance(content, Mapping):
        raise UsageError(f"{where}: is {_kind_of(content)}, where a table is expected", advice)
    try:
        return msgspec.convert(content, kind)
    except msgspec.ValidationError as error:
        raise _wrong(str(error), kind, where, advice) from error


def _wrong(said: str, kind: type[msgspec.Struct], where: str, advice: str) -> UsageError:
    known = [field.encode_name for field in msgspec.structs.fields(kind)]
    if unknown := _UNKNOWN.search(said):
        near = difflib.get_close_matches(unknown[1], known, n=3)
        meant = f"did you mean {', '.join(near)}?" if near else f"known: {', '.join(known)};"
        return UsageError(f"{where}: unknown key {unknown[1]!r}", f"{meant} {advice}")
    place = _WHERE.search(said)
    if "regex" in said or "enum value" in said:
        given = said.partition("enum value ")[2].split(" - at")[0]
        is_given = f"and there is {given}" if given else "and there is something else"
        said = f"Expected {_written_as(kind, place[1] if place else '')}, {is_given}"
    said = _WHERE.sub("", said).replace(" | null`", "`")
    for word, plain in _WORDS.items():
        said = said.replace(word, plain)
    said = said[:1].lower() + said[1:].replace("got", "and there is")
    return UsageError(f"{where}{f', {place[1]}' if place and place[1] else ''}: {said}", advice)


def _written_as(kind: type[msgspec.Struct], key: str) -> str:
    """How the value of a key is written, by what its type says of that."""
    fields = {field.encode_name: field.type for field in msgspec.structs.fields(kind)}
    waiting = [fields.get(key.partition("[")[0])]
    while waiting:
        part = waiting.pop()
        if get_origin(part) is Literal:
            return f"one of {', '.join(map(str, get_args(part)))}"
        if described := [item.description for item in getattr(part, "__metadata__", ()) if item.description]:
            return f"a text {described[0]}"
        waiting += [*get_args(part)]
    return "another value"


def _kind_of(content: object) -> str:
    if isinstance(content, list):
        return "a list"
    return "a text" if isinstance(content, str) else "no table"

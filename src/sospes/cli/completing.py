"""What a shell is told of how a line goes on: profiles of the configuration, tables of a backup that has a seal."""

from __future__ import annotations

import argparse
from collections.abc import Callable, Iterable
from contextlib import suppress
from pathlib import Path

from sospes.cli.common import configuration
from sospes.model.errors import SospesError

_PLACES = frozenset({"left", "right", "side", "into", "places"})
_TABLES = frozenset({"tables", "table"})
Completer = Callable[..., Iterable[str]]


def add_completers(parser: argparse.ArgumentParser) -> None:
    """Say for each place and table how it may go on; files are the shell's own affair."""
    import argcomplete

    files = argcomplete.completers.FilesCompleter()
    for command in _commands(parser):
        for action in command._actions:
            if action.dest in _PLACES:
                action.completer = _either(profiles, files)  # type: ignore[attr-defined]
            elif action.dest in _TABLES:
                action.completer = tables  # type: ignore[attr-defined]


def _commands(parser: argparse.ArgumentParser) -> Iterable[argparse.ArgumentParser]:
    for action in parser._actions:
        if isinstance(action, argparse._SubParsersAction):
            yield from action.choices.values()


def _either(one: Completer, other: Completer) -> Completer:
    """What the first knows for words that begin with its mark, else what the second does."""
    return lambda prefix, **said: one(prefix, **said) if prefix.startswith("@") else other(prefix, **said)


def profiles(prefix: str, parsed_args: argparse.Namespace, **_: object) -> list[str]:
    """The profiles of the configuration file that the line names before."""
    with suppress(SospesError):
        found = configuration(getattr(parsed_args, "config", None))
        if found is not None and isinstance(found.profiles, dict):
            return [f"@{name}" for name in found.profiles if f"@{name}".startswith(prefix)]
    return []


def tables(prefix: str, parsed_args: argparse.Namespace, **_: object) -> list[str]:
    """The tables that the seal beside the backup knows, without reading the backup."""
    from sospes.work.seal.form import read_seal

    backup = getattr(parsed_args, "backup", None) or getattr(parsed_args, "left", None)
    if backup is None:
        return []
    with suppress(SospesError, OSError):
        seal = read_seal(Path(f"{backup}.seal"), None)
        return [table.full_name.label for table in seal.tables if table.full_name.label.startswith(prefix)]
    return []

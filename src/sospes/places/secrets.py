"""Passwords and tokens: from an environment variable, a file that only its owner can read, or the system's keyring."""

from __future__ import annotations

import stat
from collections.abc import Mapping
from dataclasses import dataclass
from importlib import import_module
from pathlib import Path

from sospes.model.errors import CannotCheck, UsageError


@dataclass(frozen=True, slots=True, kw_only=True)
class Secret:
    """Where a secret is, which never stands in a file that people write: `of` whom, and what its keys begin with."""

    of: str
    key: str = "password"
    env: str | None = None
    file: str | None = None
    keyring: str | None = None


def secret_of(secret: Secret, environment: Mapping[str, str]) -> str | None:
    """The secret; None where nothing says where it is.

    Raises UsageError for a variable that isn't set or a file that others may read, CannotCheck where it can't be had.
    """
    if secret.env is not None:
        if secret.env not in environment:
            raise UsageError(f"{secret.of}: the variable {secret.env} is not set", f"set it, or use {secret.key}-file")
        return environment[secret.env]
    if secret.keyring is not None:
        return _from_keyring(secret)
    return None if secret.file is None else _from_file(secret, Path(secret.file).expanduser())


def _from_file(secret: Secret, path: Path) -> str:
    try:
        mode, text = path.stat().st_mode, path.read_text("utf-8")
    except OSError as error:
        advice = f"check {secret.key}-file of {secret.of}"
        raise CannotCheck(f"{path}: can't be read: {error.strerror}", advice) from error
    if mode & (stat.S_IRWXG | stat.S_IRWXO):
        raise UsageError(f"{path}: others may read this {secret.key}", f"run: chmod 600 {path}")
    return text.rstrip("\n")


def _from_keyring(secret: Secret) -> str:
    """A secret of the system's keyring, by service and user."""
    service, mark, user = (secret.keyring or "").rpartition("/")
    if not mark:
        raise UsageError(f"{secret.of}: {secret.key}-keyring is no SERVICE/USER", 'write it as "sospes-live/auditor"')
    try:
        keyring = import_module("keyring")
    except ImportError as error:
        advice = "pip install keyring"
        raise CannotCheck(f"{secret.of}: the Python package keyring is not installed", advice) from error
    try:
        password = keyring.get_password(service, user)
    except keyring.errors.KeyringError as error:
        advice = f"unlock it, or use {secret.key}-file"
        raise CannotCheck(f"{secret.of}: the keyring can't be read: {error}", advice) from error
    if password is None:
        raise CannotCheck(f"{secret.of}: the keyring has no password of {user} for {service}", "store it there first")
    return str(password)

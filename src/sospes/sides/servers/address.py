"""Where a server is and how to get in: connection addresses and profiles. Passwords never stand in an address."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from pathlib import Path
from typing import TYPE_CHECKING
from urllib.parse import parse_qsl, unquote, urlsplit

from platformdirs import user_state_path

from sospes.model.entries import Engine
from sospes.model.errors import UsageError
from sospes.places.secrets import Secret, secret_of

if TYPE_CHECKING:
    from sospes.model.settings import Profile

SCHEMES = {
    "postgresql": Engine.POSTGRESQL, "postgres": Engine.POSTGRESQL, "mariadb": Engine.MARIADB, "mysql": Engine.MYSQL,
}  # fmt: skip
_TLS = frozenset({"sslmode", "sslrootcert", "sslcert", "sslkey", "ssl_ca", "ssl_cert", "ssl_key"})
_PLACES = frozenset({"host", "port", "unix_socket", "socket", "connect_timeout"})
STATE = user_state_path()
"""Where programs keep what their user need not see, by the custom of the system."""


@dataclass(frozen=True, slots=True, kw_only=True)
class Address:
    """A server and a database on it. `password` is None where the engine finds it by itself, or none is needed.

    own    a private server of ours, to which nothing of the user's environment applies
    state  the folder where programs keep what this user need not see
    """

    engine: Engine
    host: str | None = None
    port: int | None = None
    user: str | None = None
    database: str | None = None
    password: str | None = field(default=None, repr=False)
    options: Mapping[str, str] = field(default_factory=dict)
    own: bool = False
    state: Path = STATE

    @property
    def label(self) -> str:
        """The address as it may be shown."""
        place = self.options.get("host") or self.options.get("unix_socket") or self.host or "localhost"
        port = f":{self.port}" if self.port is not None else ""
        return f"{self.engine.value}://{place}{port}/{self.database or ''}"


def is_address(text: str) -> bool:
    """Whether a word names a server rather than a file."""
    return text.startswith("@") or (text.split("://", 1)[0] in SCHEMES and "://" in text)


def read_address(text: str, environment: Mapping[str, str]) -> Address:
    """The address in a URL. Raises UsageError for one that is wrong or carries a password."""
    return _from_url(text, environment)


def address_of(name: str, profile: Profile, environment: Mapping[str, str]) -> Address:
    """The address in a profile, with the password from where the profile says that it is.

    Raises UsageError for an address that is wrong, CannotCheck where the password can't be had.
    """
    address = _from_url(profile.url, environment)
    secret = Secret(
        of=f"@{name}", env=profile.password_env, file=profile.password_file, keyring=profile.password_keyring
    )  # fmt: skip
    return replace(address, password=secret_of(secret, environment))


def _from_url(text: str, environment: Mapping[str, str]) -> Address:
    try:
        parts = urlsplit(text)
        host = parts.hostname
    except ValueError as error:
        raise UsageError(f"{text}: is no address: {error}", "write an IPv6 address in brackets: [::1]") from error
    if parts.scheme not in SCHEMES:
        raise UsageError(f"{text}: is no address of a server", f"it begins with {', '.join(SCHEMES)} and ://")
    if parts.password:
        raise UsageError(
            f"{parts.scheme}://{host or ''}: a password in an address is seen in the list of processes",
            "use a profile with password-env, password-file or password-keyring, or the engine's own password file",
        )
    options = dict(parse_qsl(parts.query))
    strange = sorted(set(options) - _TLS - _PLACES)
    if strange:
        raise UsageError(f"{strange[0]}: no known option of an address", f"known: {', '.join(sorted(_TLS | _PLACES))}")
    if "socket" in options:
        options["unix_socket"] = options.pop("socket")
    try:
        port = parts.port or _port(options.pop("port", None))
    except ValueError as error:
        raise UsageError(f"{text}: its port is no number from 1 to 65535", "write it as host:port") from error
    return Address(
        engine=SCHEMES[parts.scheme],
        host=host,
        port=port,
        user=unquote(parts.username) if parts.username else None,
        database=unquote(parts.path.lstrip("/")) or None,
        options=options,
        state=Path(environment.get("XDG_STATE_HOME") or STATE),
    )


def _port(text: str | None) -> int | None:
    """A port that stands among the options, as it does where the host is a folder of sockets."""
    if text is None:
        return None
    port = int(text)
    if not 0 < port < 1 << 16:
        raise ValueError(text)
    return port

"""Sends word of a drill: by mail (RFC 5321, 8314) and to a web address. What can't be sent is a finding."""

from __future__ import annotations

import smtplib
import socket
import ssl
import urllib.error
import urllib.request
from collections.abc import Mapping
from dataclasses import dataclass
from email.message import EmailMessage
from email.utils import formatdate, make_msgid
from pathlib import Path
from urllib.parse import urlsplit

from sospes.model.drilling import WrittenMail, WrittenWebhook
from sospes.model.errors import SospesError
from sospes.model.findings import Finding, doubt
from sospes.places.secrets import Secret, secret_of

PATIENCE_SECONDS = 30.0
_PORTS = {"starttls": 587, "from-start": 465, "none": 25}


@dataclass(frozen=True, slots=True, kw_only=True)
class Letter:
    """What is sent by mail: the same as plain text and as HTML."""

    subject: str
    plain: str
    html: str


def mailed(mail: WrittenMail, letter: Letter, folder: Path, environment: Mapping[str, str]) -> Finding | None:
    """Send a letter; what went wrong, if anything did."""
    try:
        _send(mail, letter, folder, environment)
    except SospesError as error:
        return _not_sent(f"mail to {', '.join(mail.to)}", error.problem, error.hint)
    except (smtplib.SMTPException, OSError, ValueError) as error:
        return _not_sent(f"mail to {', '.join(mail.to)}", _said(error), f"check [mail] and the server {mail.server}")
    return None


def _send(mail: WrittenMail, letter: Letter, folder: Path, environment: Mapping[str, str]) -> None:
    message = EmailMessage()
    message["Subject"] = " ".join(letter.subject.split())
    message["From"], message["To"] = mail.sender, ", ".join(mail.to)
    message["Date"], message["Message-ID"] = formatdate(localtime=True), make_msgid(domain=socket.getfqdn())
    message.set_content(letter.plain)
    message.add_alternative(letter.html, subtype="html")
    secret = Secret(of="[mail]", env=mail.password_env, file=mail.password_file, keyring=mail.password_keyring)
    password = secret_of(secret, environment)
    if mail.tls == "none" and password is not None:
        raise ValueError("a password is never sent without TLS: set tls, or leave user and password away")
    authority = str(folder / Path(mail.authority).expanduser()) if mail.authority else None
    context = ssl.create_default_context(cafile=authority)
    port = mail.port or _PORTS[mail.tls]
    if mail.tls == "from-start":
        server: smtplib.SMTP = smtplib.SMTP_SSL(mail.server, port, timeout=PATIENCE_SECONDS, context=context)
    else:
        server = smtplib.SMTP(mail.server, port, timeout=PATIENCE_SECONDS)
    with server:
        if mail.tls == "starttls":
            server.starttls(context=context)
        if mail.user is not None:
            server.login(mail.user, password or "")
        if refused := server.send_message(message):
            raise ValueError(f"the server refused {', '.join(refused)}")


def posted(hook: WrittenWebhook, document: bytes, environment: Mapping[str, str]) -> Finding | None:
    """Send the document to a web address; what went wrong, if anything did."""
    host = urlsplit(hook.url).hostname or hook.url
    try:
        parts = urlsplit(hook.url)
        if parts.scheme not in {"https", "http"}:
            raise ValueError(f"{parts.scheme or 'no scheme'}: is neither https nor http")
        secret = Secret(
            of="[webhook]", key="token", env=hook.token_env, file=hook.token_file, keyring=hook.token_keyring
        )
        token = secret_of(secret, environment)
        if token is not None and parts.scheme != "https":
            raise ValueError("a token is never sent without TLS: write https, or leave the token away")
        headers = {"Content-Type": "application/json", "User-Agent": "sospes"}
        if token is not None:
            headers["Authorization"] = f"Bearer {token}"
        request = urllib.request.Request(hook.url, data=document, headers=headers, method="POST")
        with urllib.request.build_opener(_NoDetour).open(request, timeout=PATIENCE_SECONDS):
            return None
    except SospesError as error:
        return _not_sent(f"webhook at {host}", error.problem, error.hint)
    except (OSError, ValueError) as error:
        return _not_sent(f"webhook at {host}", _said(error), "check [webhook], and that the address takes a POST")


class _NoDetour(urllib.request.HTTPRedirectHandler):
    """Follows no address that another one names: the token and the document are for one only."""

    def redirect_request(self, *_: object) -> None:
        """Leave the answer as it is, an error."""


def _said(error: Exception) -> str:
    if isinstance(error, urllib.error.HTTPError):
        return f"the answer was {error.code} {error.reason}"
    if isinstance(error, urllib.error.URLError):
        return str(error.reason)
    return " ".join(str(error).split()) or type(error).__name__


def _not_sent(what: str, problem: str, advice: str) -> Finding:
    return doubt("not-sent", f"{what} could not be sent: {problem}", f"{advice}; the reports are written all the same")

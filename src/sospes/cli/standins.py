"""Stand-ins for a mail server and a web address, on this machine only: for the demo, and for whoever tries a drill out.

They take what they are given and keep it in memory; nothing is sent on.
"""

from __future__ import annotations

import base64
import socketserver
import ssl
import threading
from contextlib import suppress
from email import message_from_bytes, policy
from email.message import EmailMessage
from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from typing import IO, Any, Self, cast

HERE = "127.0.0.1"


class _Listening:
    """A server in a thread, from the beginning of a `with` to its end."""

    server: socketserver.BaseServer

    def __enter__(self) -> Self:
        self._thread = threading.Thread(target=self.server.serve_forever, daemon=True)
        self._thread.start()
        return self

    def __exit__(self, *_: object) -> None:
        self.server.shutdown()
        self.server.server_close()
        self._thread.join()

    @property
    def port(self) -> int:
        """The port that it listens on, which the system has chosen."""
        return int(cast(tuple[str, int], self.server.server_address)[1])


class MailBox(_Listening):
    """A mail server (RFC 5321) that keeps letters.

    tls        with a context, STARTTLS is offered, and asked for before a letter is taken
    refuses    addresses that it takes no letters for
    logins     users and passwords that were given
    """

    def __init__(self, tls: ssl.SSLContext | None = None, refuses: frozenset[str] = frozenset()) -> None:
        self.letters: list[EmailMessage] = []
        self.logins: list[tuple[str, str]] = []
        self.tls = tls
        self.refuses = refuses
        self.server = _MailServer((HERE, 0), _MailTalk)
        self.server.box = self


class _MailServer(socketserver.ThreadingTCPServer):
    daemon_threads = True
    box: MailBox


class _MailTalk(socketserver.BaseRequestHandler):
    """One conversation."""

    def handle(self) -> None:
        self.box = cast(_MailServer, self.server).box
        self.secure = False
        self.stream = cast("IO[bytes]", self.request.makefile("rwb"))
        with suppress(OSError, ValueError):
            self._say("220 stand-in")
            while (line := self.stream.readline()) and self._answer(line.decode("utf-8", "replace").strip()):
                pass
        with suppress(OSError):
            self.stream.close()
        self.request.close()

    def _answer(self, line: str) -> bool:
        word, _, rest = line.partition(" ")
        match word.upper():
            case "EHLO" | "HELO":
                offers = ["AUTH PLAIN"] + (["STARTTLS"] if self.box.tls is not None and not self.secure else [])
                self._say("250-stand-in", *(f"250-{offer}" for offer in offers), "250 8BITMIME")
            case "STARTTLS" if self.box.tls is not None:
                self._say("220 go on")
                self.request = self.box.tls.wrap_socket(self.request, server_side=True)
                self.stream = cast("IO[bytes]", self.request.makefile("rwb"))
                self.secure = True
            case "AUTH":
                _, user, password = base64.b64decode(rest.split()[-1]).decode().split("\0")
                self.box.logins.append((user, password))
                self._say("235 welcome")
            case "MAIL" if self.box.tls is not None and not self.secure:
                self._say("530 STARTTLS first")
            case "RCPT" if any(address in rest for address in self.box.refuses):
                self._say("550 nobody of that name")
            case "DATA":
                self._say("354 go on")
                self.box.letters.append(self._letter())
                self._say("250 taken")
            case "QUIT":
                self._say("221 good bye")
                return False
            case _:
                self._say("250 well")
        return True

    def _letter(self) -> EmailMessage:
        lines = []
        while (line := self.stream.readline()) not in {b".\r\n", b""}:
            lines.append(line.removeprefix(b".") if line.startswith(b"..") else line)
        return message_from_bytes(b"".join(lines), policy=policy.default)

    def _say(self, *lines: str) -> None:
        self.stream.write("".join(f"{line}\r\n" for line in lines).encode())
        self.stream.flush()


class WebAddress(_Listening):
    """A web address that keeps what is posted to it: headers and body. `status` is what it answers."""

    def __init__(self, status: int = 204, tls: ssl.SSLContext | None = None, elsewhere: str = "") -> None:
        self.posts: list[tuple[dict[str, str], bytes]] = []
        self.status = status
        self.elsewhere = elsewhere
        server = _WebServer((HERE, 0), _WebTalk)
        server.address = self
        if tls is not None:
            server.socket = tls.wrap_socket(server.socket, server_side=True)
        self.server = server


class _WebServer(ThreadingHTTPServer):
    address: WebAddress


class _WebTalk(BaseHTTPRequestHandler):
    def do_POST(self) -> None:
        address = cast(_WebServer, self.server).address
        body = self.rfile.read(int(self.headers.get("Content-Length", 0)))
        address.posts.append((dict(self.headers), body))
        self.send_response(address.status)
        if address.elsewhere:
            self.send_header("Location", address.elsewhere)
        self.send_header("Content-Length", "0")
        self.end_headers()

    def log_message(self, format: str, *args: Any) -> None:  # noqa: A002  # the name is the base class's
        """Say nothing."""

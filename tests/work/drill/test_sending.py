"""Word of a drill by mail and to a web address; what can't be sent is a finding, never a lost report."""

from __future__ import annotations

import json
import ssl
from pathlib import Path

import pytest
import trustme

from sospes.cli.standins import MailBox, WebAddress
from tests.conftest import sospes
from tests.nights import night, written
from tests.work.drill.test_drill import codes, drilled, one, target
from tests.work.drill.test_plan import plan_file


@pytest.fixture(scope="module")
def authority() -> trustme.CA:
    """Signs certificates for this machine."""
    return trustme.CA()


def _served(authority: trustme.CA) -> ssl.SSLContext:
    context = ssl.SSLContext(ssl.PROTOCOL_TLS_SERVER)
    authority.issue_cert("127.0.0.1", "localhost").configure_cert(context)
    return context


def _mail(port: int, *more: str) -> str:
    lines = ['server = "127.0.0.1"', f"port = {port}", 'sender = "sospes@pier.example"', 'to = ["watch@pier.example"]']
    return "[mail]\n" + "\n".join([*lines, *more]) + "\n"


def test_a_letter_also_when_all_is_well(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    with MailBox() as box:
        run = drilled(tmp_path, one("a", "a") + _mail(box.port, 'tls = "none"'))

    [letter] = box.letters
    assert run.code == 0
    assert letter["Subject"] == "sospes drill sound: 1 sound of 1 target" and letter["To"] == "watch@pier.example"
    plain, html = letter.get_body(("plain",)), letter.get_body(("html",))
    assert plain is not None and "SOUND" in plain.get_content() and "proven intact" in plain.get_content()
    assert html is not None and "<strong>SOUND</strong>" in html.get_content()


def test_only_when_something_is_wrong(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    text = one("a", "a")
    with MailBox() as box, WebAddress() as web:
        more = _mail(box.port, 'tls = "none"', 'when = "trouble"')
        more += f'[webhook]\nurl = "http://127.0.0.1:{web.port}/hook"\nwhen = "trouble"\n'
        drilled(tmp_path, text + more)
        assert (box.letters, web.posts) == ([], [])
        drilled(tmp_path, text + one("b", "nowhere") + more)
        drilled(tmp_path, text + one("b", "nowhere") + more, "--no-send")

    assert len(box.letters) == 1 and "unsound" in str(box.letters[0]["Subject"])
    [(headers, body)] = web.posts
    document = json.loads(body)
    assert headers["Content-Type"] == "application/json" and document["verdict"] == "unsound"
    assert document["result"]["targets"][0]["name"] == "b"


def test_tls_and_a_password_from_a_file(tmp_path: Path, authority: trustme.CA) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    (tmp_path / "password").write_text("kelp-and-gulls\n")
    (tmp_path / "password").chmod(0o600)
    authority.cert_pem.write_to_path(tmp_path / "authority.pem")
    secret = ['user = "watch"', f'password-file = "{tmp_path / "password"}"', 'authority = "authority.pem"']
    with MailBox(tls=_served(authority)) as box:
        run = drilled(tmp_path, one("a", "a") + _mail(box.port, *secret))
        unknown = drilled(tmp_path, one("a", "a") + _mail(box.port, *secret[:2]))
        plain = drilled(tmp_path, one("a", "a") + _mail(box.port, *secret, 'tls = "none"'))

    assert run.code == 0, run.document["findings"]
    assert box.logins == [("watch", "kelp-and-gulls")] and len(box.letters) == 1
    assert (unknown.code, unknown.codes) == (3, ["not-sent"]) and "certificate" in unknown.document["findings"][-1][
        "message"
    ]
    assert plain.codes == ["not-sent"] and "never sent without TLS" in plain.document["findings"][-1]["message"]
    assert "kelp-and-gulls" not in run.out + run.err + unknown.out + unknown.err


def test_a_webhook_with_a_token(tmp_path: Path, authority: trustme.CA, monkeypatch: pytest.MonkeyPatch) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    authority.cert_pem.write_to_path(tmp_path / "authority.pem")
    monkeypatch.setenv("SSL_CERT_FILE", str(tmp_path / "authority.pem"))
    monkeypatch.setenv("HOOK", "gull")
    with WebAddress(tls=_served(authority)) as web:
        good = drilled(
            tmp_path, one("a", "a") + f'[webhook]\nurl = "https://127.0.0.1:{web.port}/"\ntoken-env = "HOOK"\n'
        )
        bad = drilled(
            tmp_path, one("a", "a") + f'[webhook]\nurl = "http://127.0.0.1:{web.port}/"\ntoken-env = "HOOK"\n'
        )

    assert good.code == 0, good.document["findings"]
    assert web.posts[0][0]["Authorization"] == "Bearer gull"
    assert bad.codes == ["not-sent"] and "gull" not in bad.out


@pytest.mark.parametrize(
    ("more", "said"),
    [
        pytest.param(_mail(1, 'tls = "none"'), "mail to watch@pier.example could not be sent", id="mail-nobody-there"),
        pytest.param('[webhook]\nurl = "http://127.0.0.1:1/x"\n', "webhook at 127.0.0.1 could not be sent", id="web-nobody-there"),
        pytest.param('[webhook]\nurl = "file:///etc/hostname"\n', "neither https nor http", id="no-web"),
        pytest.param('[webhook]\nurl = "https://a.example/"\ntoken-env = "NOT_SET"\n', "NOT_SET is not set", id="no-token"),
    ],
)  # fmt: skip
def test_what_cannot_be_sent_is_a_finding_and_stands_in_the_reports(tmp_path: Path, more: str, said: str) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)

    run = drilled(
        tmp_path, one("a", "a") + more, "--html", tmp_path / "drill.html", "--json-lines", tmp_path / "x.jsonl"
    )

    assert (run.code, run.codes) == (3, ["not-sent"])
    assert said in run.document["findings"][-1]["message"]
    assert codes(target(run, "a")) == [] and target(run, "a")["verdict"] == "sound"
    assert "could not be sent" in (tmp_path / "drill.html").read_text()
    assert "could not be sent" in sospes("drill", plan_file(tmp_path, one("a", "a") + more)).out


def test_an_answer_that_is_no_yes(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    with (
        WebAddress(status=500) as broken,
        WebAddress() as other,
        WebAddress(302, elsewhere=f"http://127.0.0.1:{other.port}/") as moved,
    ):
        first = drilled(tmp_path, one("a", "a") + f'[webhook]\nurl = "http://127.0.0.1:{broken.port}/"\n')
        second = drilled(tmp_path, one("a", "a") + f'[webhook]\nurl = "http://127.0.0.1:{moved.port}/"\n')

    assert "the answer was 500" in first.document["findings"][-1]["message"]
    assert "the answer was 302" in second.document["findings"][-1]["message"] and other.posts == []


def test_some_that_the_mail_server_refuses(tmp_path: Path) -> None:
    written(tmp_path / "a", "a.sql", night(20), 1)
    with MailBox(refuses=frozenset({"watch@pier.example"})) as box:
        run = drilled(tmp_path, one("a", "a") + _mail(box.port, 'tls = "none"'))
    assert run.codes == ["not-sent"] and box.letters == []

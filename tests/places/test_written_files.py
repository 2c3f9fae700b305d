"""Files that people write and words that they type: what is wrong in them is said with its place, and ends in exit 2."""

from __future__ import annotations

import gzip
import json
import os
import shutil
import sqlite3
from contextlib import closing
from pathlib import Path

import pytest

from sospes.formats.opening import Opening, open_backup
from sospes.model.errors import UsageError
from sospes.model.events import Batch
from sospes.model.findings import Finding
from sospes.places.registry import file_at
from sospes.sides.servers.address import read_address
from tests.backups import copy_table, postgresql
from tests.conftest import DUMPS, sospes

CREW = copy_table(
    "public.crew", [("id", "integer NOT NULL"), ("name", "text"), ("note", "text")],
    [["1", "Ada", "skipper"], ["2", "Bo", "deck"], ["3", "Cy", "note 5"]], "id",
)  # fmt: skip


@pytest.fixture
def night(tmp_path: Path) -> Path:
    path = tmp_path / "night.sql"
    path.write_bytes(postgresql(CREW))
    return path


def _refused(*words: str | Path) -> str:
    """What is said of a call that is refused; it never is an error inside Sospes."""
    run = sospes(*words)
    assert run.code == 2, (run.out, run.err)
    assert "inside Sospes" not in run.err and run.err.count("\n") < 6
    return " ".join(run.err.split())


# -- configuration


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("defaults = 3", "[defaults]: is no table, where a table is expected"),
        ("[defaults]\nquite = true", "unknown key 'quite'; did you mean quiet"),
        ("[defaults]\nquiet = 'yes'", "[defaults], quiet: expected true or false"),
        ("[defaults]\nwork-folder = 3", "work-folder: expected a text"),
        ("[default]\nquiet = true", "unknown key 'default'; did you mean defaults"),
        ("[defaults\n", "is not valid TOML"),
        ("profiles = 1", "profiles is no table"),
        ("[profiles]\nlive = 'postgresql://h/d'", "[profiles.live]: is a text, where a table is expected"),
        ("[profiles.live]\nuser = 'x'", "unknown key 'user'"),
        ("[profiles.live]\npassword-env = 'X'", "[profiles.live]"),
        ("[profiles.life]\nurl = 'postgresql://h/d'", "did you mean @life?"),
        ("[profiles.live]\nurl = 'https://h/d'", "no address of a server"),
    ],
)
def test_what_is_wrong_in_a_configuration_is_told(night: Path, tmp_path: Path, text: str, said: str) -> None:
    (tmp_path / "sospes.toml").write_text(text)
    told = _refused("compare", night, "@live", "--config", tmp_path / "sospes.toml")
    assert all(part in told for part in said.split("; ")), told


def test_defaults_are_taken(night: Path, tmp_path: Path) -> None:
    (tmp_path / "sospes.toml").write_text(f"[defaults]\nquiet = true\nwork-folder = {json.dumps(str(tmp_path))}\n")
    run = sospes("verify", night, "--config", tmp_path / "sospes.toml")
    assert run.code == 0 and run.err == ""


# -- figures


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("table = 'crew'\nrows = { least = 'x' }", "figure 1, rows: 'x' is no number"),
        ("table = 'crew'\nrows = { lest = 1 }", "unknown key 'lest'"),
        ("table = 'crew'\nrows = { }", "neither least nor most"),
        ("table = 'crew'\nrows = [1]", "a list"),
        ("table = 'crew'\nrows = true", "'true' is no number"),
        ("table = 3\nrows = 1", "table: expected a text"),
        ("table = 'crew'\ncolumn = 'id'\nsum = 'many'", "'many' is no number"),
        ("tabel = 'crew'\nrows = 1", "unknown key 'tabel'"),
        ("table = 'crew'\nrows = 1\nsum = 2", "must have one of"),
        ("table = 'crew'\ncolumn = 'note'\nkey = 1\nvalue = 'x'", "key: expected a table"),
    ],
)
def test_a_typing_mistake_in_a_figure_is_no_fault_of_the_backup(
    night: Path, tmp_path: Path, text: str, said: str
) -> None:
    (tmp_path / "known.toml").write_text(f"[[figure]]\n{text}\n")
    assert said in _refused("compare", night, tmp_path / "known.toml")


# -- expected rows


@pytest.mark.parametrize(
    ("row", "where"),
    [
        ('3,Cy,"WRONG"note 5', "line 4, column 6"),
        ('3,C"y"z,note 5', "line 4, column 3"),
        ('3,"C""y" ,note 5', "line 4, column 3"),
        ('3,"Cy,note 5', "line 4, column 3"),
    ],
)
def test_a_malformed_cell_of_expected_rows_is_refused(night: Path, tmp_path: Path, row: str, where: str) -> None:
    (tmp_path / "crew.csv").write_text(f"id,name,note\n1,Ada,skipper\n2,Bo,deck\n{row}\n")
    run = sospes("compare", night, tmp_path / "crew.csv", "--table", "crew")
    assert run.code == 3 and where in " ".join(run.err.split()), run.err


def test_places_in_expected_rows_count_lines_inside_of_cells(night: Path, tmp_path: Path) -> None:
    (tmp_path / "crew.csv").write_text('id,name,note\n1,Ada,"skip\nper"\n2,Bo,"de\nck" x\n')
    run = sospes("compare", night, tmp_path / "crew.csv", "--table", "crew")
    assert run.code == 3 and "line 4, column 6" in " ".join(run.err.split()), run.err


def test_well_formed_quotes_are_read(night: Path, tmp_path: Path) -> None:
    (tmp_path / "crew.csv").write_text('id,"name",note\n"1","Ada","skipper"\n2,Bo,deck\n3,Cy,"note 5"\n')
    assert sospes("compare", night, tmp_path / "crew.csv", "--table", "crew").code == 0


# -- addresses and places


@pytest.mark.parametrize("url", ["postgresql://[::1/quay", "postgresql://[x]/quay", "mariadb://[:::]/q"])
def test_an_address_that_is_none(night: Path, url: str) -> None:
    assert "is no address" in _refused("compare", night, url)


@pytest.mark.parametrize("url", ["https://backups.example/night.sql", "s3://nights/night.sql", "ftp://x/y"])
@pytest.mark.parametrize("command", ["verify", "inspect", "rehearse"])
def test_places_that_can_not_be_read_yet_are_told_so(command: str, url: str) -> None:
    assert "can't be read yet" in _refused(command, url)


def test_a_password_in_an_address_is_refused() -> None:
    with pytest.raises(UsageError, match="password"):
        read_address("postgresql://auditor:secret@db/rescue", {})


def test_a_database_file_can_be_named_by_an_address(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    path = tmp_path / "log book.db"
    with closing(sqlite3.connect(path)) as connection, connection:
        connection.execute("CREATE TABLE crew (id integer PRIMARY KEY, name text)")
        connection.execute("INSERT INTO crew VALUES (1, 'Ada')")
    monkeypatch.chdir(tmp_path)
    assert sospes("compare", path, "sqlite:///log%20book.db").code == 0
    for word in ("sqlite:///log%20book.db", f"sqlite:///{path}", f"sqlite://{path}".replace(" ", "%20")):
        assert sospes("verify", word).code == 0, word
    for word in ("sqlite://host/x.db", "sqlite://", "sqlite:x.db", "sqlite:///"):
        with pytest.raises(UsageError):
            file_at(word)


# -- keys of mend


def test_a_bound_that_is_no_number_is_told(night: Path, tmp_path: Path) -> None:
    (tmp_path / "live.sql").write_bytes(postgresql(CREW.replace(b"deck", b"bow")))
    out = tmp_path / "fix.sql"
    said = _refused("mend", night, tmp_path / "live.sql", "--out", out, "--from-key", "abc")
    assert "abc: is no number, and id of public.crew holds numbers" in said and not out.exists()
    assert sospes("mend", night, tmp_path / "live.sql", "--out", out, "--from-key", "2", "--to-key", "2.5").code == 0
    assert out.read_text().count("UPDATE") == 1


# -- seals


def test_a_forged_seal_is_taken_for_good_nowhere(night: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setenv("SOSPES_SEAL_KEY", "a stranger's")
    assert sospes("seal", night).code == 0
    seal = Path(f"{night}.seal")
    monkeypatch.setenv("SOSPES_SEAL_KEY", "ours")
    calls: list[list[str | Path]] = [["verify", night], ["compare", night, seal]]
    for words in calls:
        run = sospes(*words, "--json")
        assert run.code == 1 and "seal-forged" in run.codes, words
    monkeypatch.delenv("SOSPES_SEAL_KEY")
    for words in calls:
        run = sospes(*words, "--json")
        assert run.code == 3 and run.codes == ["signature-unchecked"], words


def test_a_damaged_seal_says_nothing_of_the_backup(night: Path) -> None:
    sospes("seal", night)
    seal = Path(f"{night}.seal")
    whole = seal.read_bytes()
    for damaged in (whole[:-40], whole.replace(b'"rows":3', b'"rows":4'), b"", b"{}\n{}\n"):
        seal.write_bytes(damaged)
        run = sospes("compare", night, seal, "--json")
        assert run.code == 3 and run.codes == ["seal-damaged"], damaged[:60]


# -- files that change while they are read


def _archive(folder: Path, layout: str) -> tuple[Path, Path]:
    """An archive of that layout, and the file of it that is touched."""
    if layout == "tar":
        path = folder / "night.tar"
        path.write_bytes(gzip.decompress((DUMPS / "postgresql-17.tar.gz").read_bytes()))
        return path, path
    if layout == "directory":
        shutil.copytree(DUMPS / "postgresql-18.dir", folder / "night")
        return folder / "night", folder / "night" / "toc.dat"
    shutil.copy(DUMPS / "postgresql-15.dump", folder / "night.dump")
    return folder / "night.dump", folder / "night.dump"


@pytest.mark.parametrize("layout", ["single file", "tar", "directory"])
def test_an_archive_that_changes_while_it_is_read(tmp_path: Path, layout: str) -> None:
    path, touched = _archive(tmp_path, layout)
    assert sospes("verify", path).code == 0

    codes = []
    for event in open_backup([path], Opening()).events():
        if isinstance(event, Batch):
            os.utime(touched, ns=(1, 1))
        elif isinstance(event, Finding):
            codes.append(event.code)

    assert codes == ["changed-while-read"]


def test_a_file_that_goes_away_while_it_is_read(tmp_path: Path) -> None:
    path, touched = _archive(tmp_path, "single file")
    opened = open_backup([path], Opening())
    touched.rename(tmp_path / "elsewhere")
    [finding] = opened.source.changes()
    assert finding.code == "changed-while-read" and "taken away" in finding.message

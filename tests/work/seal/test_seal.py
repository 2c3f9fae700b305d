"""The seal: it proves a file unchanged, places what was changed, leads to single tables, and can't be forged."""

from __future__ import annotations

import base64
import bz2
import contextlib
import copy
import gzip
import hashlib
import json
import sqlite3
import zlib
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import lz4.frame
import pytest

from tests.backups import copy_table, mysql, postgresql
from tests.conftest import DUMPS, sospes
from tests.work.extract.test_salvage import NAMES, PACKED, ROWS, SCRIPT


@pytest.fixture
def backup(tmp_path: Path) -> Path:
    """A sealed plain script of several blocks."""
    path = tmp_path / "night.sql"
    path.write_bytes(SCRIPT)
    assert sospes("seal", path, "--quiet").code == 0
    return path


def _changed(path: Path, at: int) -> None:
    data = bytearray(path.read_bytes())
    data[at] ^= 1
    path.write_bytes(data)


def test_a_sealed_backup_is_proven_unchanged(backup: Path) -> None:
    quick = sospes("verify", "--quick", backup, "--json").document
    full = sospes("verify", backup, "--json").document

    assert (quick["verdict"], quick["rung"], quick["result"]["checked_by"]) == ("sound", "intact", "seal")
    assert (full["verdict"], full["result"]["checked_by"]) == ("sound", "reading and seal")
    assert {table["name"]: table["rows"] for table in quick["result"]["tables"]} == {name[7:]: ROWS for name in NAMES}


def test_a_digit_that_became_another_is_found_by_the_seal_alone(backup: Path) -> None:
    at = SCRIPT.index(b"\t89.99\n") + 1
    _changed(backup, at)

    without = sospes("verify", backup, "--no-seal", "--json").document
    found = sospes("verify", backup, "--json").document

    assert without["verdict"] == "sound"
    assert [item["code"] for item in found["findings"]] == ["block-changed", "table-changed", "tables-unchanged"]
    place = found["findings"][0]["place"]
    assert place["stored_from"] <= at < place["stored_to"] <= place["stored_from"] + (1 << 20)
    assert found["findings"][1]["place"]["table"] == "t0"


@pytest.mark.parametrize("packing", ["plain", *PACKED])
def test_one_table_by_way_of_the_seal_is_the_same_as_without(tmp_path: Path, packing: str) -> None:
    path = tmp_path / "a"
    path.write_bytes(SCRIPT if packing == "plain" else PACKED[packing])
    assert sospes("seal", path).code == 0

    for name in (NAMES[0], NAMES[5]):
        sospes("extract", path, name, "--no-seal", "--out", tmp_path / "one.sql", "--overwrite")
        run = sospes("extract", path, name, "--out", tmp_path / "two.sql", "--overwrite", "--json")
        assert run.document["result"]["tables"][0]["rows"] == ROWS
        assert (tmp_path / "one.sql").read_bytes() == (tmp_path / "two.sql").read_bytes()


def test_an_extract_does_not_trust_a_seal_of_other_bytes(backup: Path, tmp_path: Path) -> None:
    data = backup.read_bytes()
    at = data.index(b"pier")
    backup.write_bytes(data[:at] + b"X" + data[at + 1 :])

    document = sospes("extract", backup, NAMES[0], "--out", tmp_path / "o.sql", "--json").document

    assert document["result"]["tables"][0]["rows"] == ROWS


@pytest.mark.parametrize(
    ("change", "codes"),
    [
        pytest.param(lambda data: data[:-9000], ["size-changed", "block-changed"], id="cut"),
        pytest.param(lambda data: data + b"\n" * 3, ["size-changed", "block-changed"], id="grown"),
        pytest.param(lambda data: b"--" + data[5000:], ["seal-foreign"], id="another-file"),
    ],
)
def test_a_file_of_another_size(backup: Path, change: object, codes: list[str]) -> None:
    assert callable(change)
    backup.write_bytes(change(backup.read_bytes()))

    found = sospes("verify", "--quick", backup, "--json")

    assert set(found.codes) <= set(codes) | {"seal-foreign"} and found.code in {1, 3}


def test_a_damaged_seal_says_so_wherever_it_is_damaged(backup: Path) -> None:
    seal = Path(f"{backup}.seal")
    whole = seal.read_bytes()
    for at in range(0, len(whole), max(1, len(whole) // 60)):
        seal.write_bytes(whole[:at] + bytes([whole[at] ^ 2]) + whole[at + 1 :])
        run = sospes("verify", "--quick", backup, "--json")
        assert run.document["verdict"] != "sound", whole[at - 20 : at + 20]
        seal.write_bytes(whole[:at])
        assert sospes("verify", "--quick", backup, "--json").document["verdict"] != "sound"


def test_who_can_change_the_backup_can_not_change_a_signed_seal(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    path, key = tmp_path / "a.sql", tmp_path / "key"
    path.write_bytes(SCRIPT)
    key.write_text("a long random text")
    key.chmod(0o644)
    assert "others may read" in sospes("seal", path, "--key-file", key).err
    key.chmod(0o600)
    assert sospes("seal", path, "--key-file", key).code == 0
    assert json.loads(Path(f"{path}.seal").read_text().splitlines()[0])["digest"] == "sha256"

    assert sospes("verify", "--quick", path, "--json").codes == ["signature-unchecked"]
    monkeypatch.setenv("SOSPES_SEAL_KEY", "a long random text")
    assert sospes("verify", "--quick", path, "--json").code == 0
    monkeypatch.delenv("SOSPES_SEAL_KEY")
    _changed(path, 9000)
    assert sospes("seal", path, "--overwrite").code == 0  # what somebody without the key would do
    assert sospes("verify", "--quick", path, "--key-file", key, "--json").codes == ["seal-forged"]


def test_what_can_not_be_sealed(tmp_path: Path) -> None:
    damaged = tmp_path / "a.sql"
    damaged.write_bytes(SCRIPT[:-200])

    assert sospes("seal", damaged).code == 1 and not Path(f"{damaged}.seal").exists()
    assert sospes("verify", "--quick", damaged).code == 2
    assert sospes("seal", DUMPS / "postgresql-18.dir").code == 2
    assert sospes("verify", damaged, "--seal", tmp_path / "no.seal").code == 2


def test_control_totals_are_exact(backup: Path) -> None:
    body = json.loads(Path(f"{backup}.seal").read_text().splitlines()[0])

    totals = {total["column"]: total for total in body["tables"][0]["totals"]}
    assert totals["id"]["sum"] == str(ROWS * (ROWS - 1) // 2)
    cents = sum(row % 90 * 100 + row % 100 for row in range(ROWS))
    assert totals["height"]["sum"] == f"{cents // 100}.{cents % 100:02}"
    assert Path(f"{backup}.seal").stat().st_size < 20_000


# -- backups of several blocks, each of a MiB


def _tables(count: int, rows: int) -> bytes:
    columns = [("x", "integer"), ("y", "text")]
    lines = [[str(number), f"gauge {number} " + "x" * 60] for number in range(rows)]
    return postgresql(b"".join(copy_table(f"public.t{table:02}", columns, lines) for table in range(count)))


@pytest.fixture
def large(tmp_path: Path) -> Path:
    """A sealed script of four blocks and twelve tables."""
    path = tmp_path / "night.sql"
    path.write_bytes(_tables(12, 4_000))
    assert path.stat().st_size > 3 << 20
    assert sospes("seal", path, "--quiet").code == 0
    return path


def test_one_block_of_several_that_changed_is_placed(large: Path) -> None:
    """A file of which one block is another is no other file."""
    at = (2 << 20) + 12_345
    _changed(large, at)
    [finding] = sospes("verify", "--quick", large, "--json").document["findings"]
    assert finding["code"] == "block-changed"
    assert (finding["place"]["stored_from"], finding["place"]["stored_to"]) == (2 << 20, 3 << 20)


def test_neighbouring_blocks_are_one_stretch_and_others_are_not(large: Path) -> None:
    for at in (10, (1 << 20) + 10, (3 << 20) + 10):
        _changed(large, at)
    found = sospes("verify", "--quick", large, "--json").document["findings"]
    assert [(item["place"]["stored_from"], item["place"]["stored_to"]) for item in found] == [
        (0, 2 << 20),
        (3 << 20, large.stat().st_size),
    ]


def test_a_file_without_any_sealed_block_is_another(large: Path) -> None:
    data = large.read_bytes()
    large.write_bytes(bytes(byte ^ 1 for byte in data))
    assert [item["code"] for item in sospes("verify", "--quick", large, "--json").document["findings"]] == [
        "seal-foreign"
    ]


@pytest.mark.parametrize(("tables", "more"), [(9, False), (10, True)])
def test_tables_that_are_unchanged_are_listed_up_to_eight(tmp_path: Path, tables: int, more: bool) -> None:
    path = tmp_path / "night.sql"
    path.write_bytes(_tables(tables, 20))
    sospes("seal", path)
    path.write_bytes(path.read_bytes().replace(b"gauge 7 ", b"gauge 8 ", 1))
    [told] = [
        item for item in sospes("verify", path, "--json").document["findings"] if item["code"] == "tables-unchanged"
    ]
    assert told["message"].count("public.t") == 8 and ("..." in told["message"]) is more


def _body(seal: Path) -> dict[str, Any]:
    found: dict[str, Any] = json.loads(seal.read_bytes().split(b"\n")[0])
    return found


def test_sections_are_rows_of_copy_and_whole_statements_of_inserts(tmp_path: Path) -> None:
    path = tmp_path / "night.sql"
    path.write_bytes(_tables(1, 20))
    sospes("seal", path)
    [[begin, end]] = _body(Path(f"{path}.seal"))["tables"][0]["sections"]
    rows = path.read_bytes()[begin:end]
    assert rows.startswith(b"0\tgauge 0 ") and rows.count(b"\n") == 20
    path.write_bytes(mysql(b"CREATE TABLE `a` (`x` int);\nINSERT INTO `a` VALUES (1),(2);\n"))
    sospes("seal", path, "--overwrite")
    [[begin, end]] = _body(Path(f"{path}.seal"))["tables"][0]["sections"]
    assert path.read_bytes()[begin:end] == b"INSERT INTO `a` VALUES (1),(2);"


def test_wide_text_is_read_from_its_beginning(tmp_path: Path) -> None:
    path = tmp_path / "night.sql"
    path.write_bytes(_tables(2, 20).decode().encode("utf-16"))
    assert sospes("seal", path).code == 0
    restarts = _body(Path(f"{path}.seal"))["restarts"]
    assert "wide characters" in restarts["reason"] and restarts["points"] == []
    path.write_bytes(_tables(2, 20))
    sospes("seal", path, "--overwrite")
    assert _body(Path(f"{path}.seal"))["restarts"]["reason"] is None


@pytest.mark.parametrize("sized", [True, False])
def test_a_table_by_way_of_the_seal_from_lz4_frames_with_and_without_a_size(tmp_path: Path, sized: bool) -> None:
    """A frame's head is longer where it says how much it holds."""
    path = tmp_path / "night.sql.lz4"
    path.write_bytes(lz4.frame.compress(_tables(12, 8_000), store_size=sized, block_linked=False, block_size=4))
    assert sospes("seal", path).code == 0
    body = _body(Path(f"{path}.seal"))
    assert len(body["restarts"]["points"]) > 1 and len(bytes.fromhex(body["restarts"]["prefix"])) == (
        15 if sized else 7
    )
    texts = []
    for words in ([], ["--no-seal"]):
        run = sospes("extract", path, "public.t11", "--out", tmp_path / "one.sql", "--overwrite", *words, "--json")
        assert run.document["verdict"] == "sound" and run.document["findings"] == []
        texts.append((tmp_path / "one.sql").read_bytes())
    assert texts[0] == texts[1]


def _places(found: Any, way: tuple[str | int, ...] = ()) -> Iterator[tuple[str | int, ...]]:
    """The ways to all values of a document."""
    for key, value in found.items() if isinstance(found, dict) else enumerate(found):
        yield (*way, key)
        if isinstance(value, dict | list):
            yield from _places(value, (*way, key))


def _sealed_again(body: dict[str, Any]) -> bytes:
    """A seal as anybody could write one: whole, and unsigned."""
    line = json.dumps(body, separators=(",", ":"), ensure_ascii=False).encode()
    return line + b"\n" + json.dumps({"digest": hashlib.sha256(line).hexdigest(), "signature": None}).encode() + b"\n"


@pytest.mark.parametrize("odd", [None, -1, "x", [], {}, 10**30, 1.5], ids=str)
def test_a_seal_that_somebody_made_by_hand_is_damaged_or_says_otherwise_and_no_more(
    tmp_path: Path, odd: object
) -> None:
    """Each value of a small seal in turn is another: no run ends in an error of the program's own."""
    path, seal = tmp_path / "night.sql", tmp_path / "night.sql.seal"
    path.write_bytes(_tables(1, 5))
    sospes("seal", path)
    body = _body(seal)
    for way in [*_places(body)]:
        other = copy.deepcopy(body)
        inner: Any = other
        for key in way[:-1]:
            inner = inner[key]
        inner[way[-1]] = odd
        seal.write_bytes(_sealed_again(other))
        calls: list[list[str | Path]] = [["verify", "--quick", path], ["compare", path, seal]]
        for words in calls:
            run = sospes(*words)
            assert run.code in {0, 1, 2, 3} and "inside Sospes" not in run.err + run.out, (way, odd, run.err)


@pytest.mark.parametrize(
    "restarts",
    [
        {"points": [[0, 0], [77, 300_000]]},
        {"container": "x", "points": [[0, 0], [4, 0]]},
        {"container": "gzip", "points": [[0, 0], [4, 0]]},
    ],
    ids=str,
)
@pytest.mark.parametrize("form", ["sql", "csv", "jsonl"])
def test_a_seal_that_leads_astray_is_not_the_backups_fault(tmp_path: Path, restarts: dict[str, Any], form: str) -> None:
    """Its stored bytes are as sealed, only the way to the rows is wrong: they are read without it, and that is told."""
    path, seal = tmp_path / "night.sql.bz2", tmp_path / "night.sql.bz2.seal"
    path.write_bytes(bz2.compress(_tables(3, 8_000)))
    sospes("seal", path)
    words: list[str | Path] = [
        "extract",
        path,
        "public.t02",
        "--as",
        form,
        "--out",
        tmp_path / "one",
        "--overwrite",
        "--json",
    ]
    assert sospes(*words).document["findings"] == []
    whole = (tmp_path / "one").read_bytes()
    body = _body(seal)
    body["restarts"] |= restarts
    seal.write_bytes(_sealed_again(body))
    run = sospes(*words)
    assert run.code == 0 and [found["code"] for found in run.document["findings"]] == ["seal-not-used"]
    assert (tmp_path / "one").read_bytes() == whole


def test_into_a_side_copy_past_a_seal_that_leads_astray(tmp_path: Path) -> None:
    path, seal = tmp_path / "night.sql.bz2", tmp_path / "night.sql.bz2.seal"
    path.write_bytes(bz2.compress(_tables(3, 8_000)))
    sospes("seal", path)
    body = _body(seal)
    body["restarts"]["points"] = [[0, 0], [77, 300_000]]
    seal.write_bytes(_sealed_again(body))
    run = sospes("extract", path, "public.t02", "--into", tmp_path / "one.db", "--json")
    assert run.code == 0 and [found["code"] for found in run.document["findings"]] == ["seal-not-used"]
    with contextlib.closing(sqlite3.connect(tmp_path / "one.db")) as copy:
        assert copy.execute('SELECT count(*) FROM "public.t02"').fetchone() == (8_000,)


def test_a_misspelt_table_is_told_without_reading_all(tmp_path: Path) -> None:
    """Neither the seal nor the backup has it: the parts that the seal leads to are enough to say so."""
    path = tmp_path / "night.sql.gz"
    text = _tables(3, 8_000)
    path.write_bytes(gzip.compress(text))
    sospes("seal", path)
    run = sospes("extract", path, "public.t023", "--out", tmp_path / "one.sql")
    assert run.code == 2 and "no table is called 'public.t023'" in run.err and "public.t02" in run.err
    assert not (tmp_path / "one.sql").exists()


@pytest.mark.parametrize("index", [b"rubbish", b"GZIDX\0\0" + bytes(60)], ids=["rubbish", "empty"])
def test_an_index_that_is_none_is_done_without(tmp_path: Path, index: bytes) -> None:
    path, seal = tmp_path / "night.sql.gz", tmp_path / "night.sql.gz.seal"
    path.write_bytes(gzip.compress(_tables(3, 8_000)))
    sospes("seal", path)
    body = _body(seal)
    body["restarts"]["index"] = base64.b64encode(zlib.compress(index)).decode()
    seal.write_bytes(_sealed_again(body))
    run = sospes("extract", path, "public.t02", "--out", tmp_path / "one.sql", "--json")
    assert run.code == 0 and [found["code"] for found in run.document["findings"]] == ["seal-not-used"]


def test_what_is_wrong_with_a_seal_is_told_where_a_table_is_extracted(tmp_path: Path) -> None:
    path, seal, key = tmp_path / "night.sql", tmp_path / "night.sql.seal", tmp_path / "key"
    path.write_bytes(_tables(3, 8_000))
    key.write_bytes(b"k" * 32)
    key.chmod(0o600)
    sospes("seal", path, "--key-file", key)
    words: list[str | Path] = ["extract", path, "public.t02", "--out", tmp_path / "one.sql", "--overwrite", "--json"]
    unchecked = sospes(*words)
    assert unchecked.code == 0
    assert [(found["code"], found["severity"]) for found in unchecked.document["findings"]] == [
        ("signature-unchecked", "note")
    ]
    seal.write_bytes(seal.read_bytes()[:-20])
    damaged = sospes(*words)
    assert damaged.code == 3 and [found["code"] for found in damaged.document["findings"]] == ["seal-damaged"]
    assert sospes(*words, "--no-seal").document["findings"] == []


def test_a_seal_to_compare_with_that_is_not_there_is_wrong_usage(tmp_path: Path) -> None:
    path = tmp_path / "night.sql"
    path.write_bytes(_tables(1, 5))
    run = sospes("compare", path, tmp_path / "night.sql.seal")
    assert run.code == 2 and "night.sql.seal: no such seal" in run.err

"""The ledger's file: a SQLite database to which rows are added, and in which none is changed or taken away.

Each proof is one transaction, written through to the disk: several processes may write at once, and a run that is
killed leaves either all of its row or nothing.
"""

from __future__ import annotations

import json
import sqlite3
from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import asdict, dataclass, fields
from pathlib import Path
from typing import Any

from sospes.model.errors import CannotCheck, UsageError
from sospes.model.lineage import Lineages
from sospes.model.verdict import Rung, highest_rung
from sospes.work.ledger.proof import Proof

VERSION = 1
MARK = b"SOSP"
"""What tells a ledger from other SQLite files, in its header's field for that: bytes 68 to 72."""

PATIENCE_SECONDS = 30.0
"""How long a writer waits for others."""

_KEPT_AS_JSON = frozenset({"evidence", "steps", "tables", "findings"})
_COLUMNS = tuple(item.name for item in fields(Proof))
_TABLES = f"""
CREATE TABLE proof (number INTEGER PRIMARY KEY, counted INTEGER NOT NULL, {", ".join(_COLUMNS)});
CREATE INDEX proof_lineage ON proof (lineage, counted, number);
CREATE INDEX proof_digest ON proof (digest);
CREATE TABLE head (path TEXT PRIMARY KEY, stamp TEXT NOT NULL, head TEXT, digest TEXT);
CREATE TABLE met (drill TEXT, target TEXT, lineage TEXT, at TEXT, PRIMARY KEY (drill, target, lineage));
CREATE TRIGGER proof_stays BEFORE UPDATE ON proof BEGIN SELECT RAISE(ABORT, 'proofs are never changed'); END;
CREATE TRIGGER proof_kept BEFORE DELETE ON proof BEGIN SELECT RAISE(ABORT, 'proofs are never deleted'); END;
PRAGMA application_id = {int.from_bytes(MARK, "big")};
PRAGMA user_version = {VERSION};
"""
_ADVICE = "name another file with --ledger FILE, or do without it: --no-ledger"


@dataclass(frozen=True, slots=True)
class Remembered:
    """What is remembered of a file that has not changed since: its head as a document, its digest, or both."""

    head: str | None
    digest: str | None


class Ledger:
    """One ledger. Its file is made when something is first written to it."""

    def __init__(self, path: Path) -> None:
        self.path = path

    @property
    def exists(self) -> bool:
        """Whether anything was ever written to it."""
        return self.path.exists()

    def add(self, proof: Proof) -> None:
        """Write one proof down. Raises CannotCheck where that fails."""
        row = asdict(proof)
        values = [
            json.dumps(row[name], ensure_ascii=False) if name in _KEPT_AS_JSON else row[name] for name in _COLUMNS
        ]
        marks = ", ".join("?" * len(_COLUMNS))
        with self._opened(write=True) as connection:
            connection.execute(
                f"INSERT INTO proof (counted, {', '.join(_COLUMNS)}) VALUES (?, {marks})",
                [bool(proof.tables), *_plain(values)],
            )

    def proofs(
        self, *, lineage: str | None = None, digest: str | None = None, most: int = -1, light: bool = False
    ) -> list[Proof]:
        """The latest `most` proofs in the order in which they were written; of one lineage, or of the same bytes.

        With `light` they come without their tables, which are the most of them.
        """
        if not self.exists:
            return []
        asked = {"lineage": lineage, "digest": digest}
        given = {name: value for name, value in asked.items() if value is not None}
        where = " AND ".join(f"{name} = ?" for name in given) or "1"
        columns = ", ".join("'{}'" if light and name == "tables" else name for name in _COLUMNS)
        with self._opened() as connection:
            rows = connection.execute(
                f"SELECT {columns} FROM proof WHERE {where} ORDER BY number DESC LIMIT ?",
                [*_plain(list(given.values())), most],
            ).fetchall()
            return [_proof(row) for row in reversed(rows)]

    def lineages(self) -> Lineages:
        """The lineages that it knows, each with the tables of its latest proof."""
        if not self.exists:
            return Lineages()
        with self._opened() as connection:
            rows = connection.execute(
                "SELECT lineage, base, tables FROM proof WHERE number IN "
                "(SELECT max(number) FROM proof WHERE counted GROUP BY lineage UNION "
                "SELECT max(number) FROM proof GROUP BY lineage HAVING NOT max(counted))"
            ).fetchall()
            return Lineages({lineage: (base, frozenset(json.loads(tables))) for lineage, base, tables in rows})

    def rungs(self, digests: Mapping[str, str]) -> dict[str, str]:
        """The highest rung that all proofs of the same bytes together have reached, by the digests' names."""
        if not self.exists:
            return {}
        with self._opened() as connection:
            rows = connection.execute("SELECT digest, evidence FROM proof WHERE verdict <> 'unsound'").fetchall()
            evidence: dict[str, set[Rung]] = {}
            for digest, found in rows:
                evidence.setdefault(digest, set()).update(map(Rung, json.loads(found)))
        reached = {name: highest_rung(evidence.get(digest, ())) for name, digest in digests.items()}
        return {name: rung.value for name, rung in reached.items() if rung is not None}

    def met(self, drill: str, target: str) -> set[str]:
        """The lineages that a drill's target has met before."""
        if not self.exists:
            return set()
        with self._opened() as connection:
            return {
                row[0]
                for row in connection.execute("SELECT lineage FROM met WHERE drill = ? AND target = ?", (drill, target))
            }

    def meet(self, target: tuple[str, str], lineages: Sequence[str], at: str) -> None:
        """Remember the lineages that a target, of a drill's file and by its name, has met for the first time."""
        with self._opened(write=True) as connection:
            connection.executemany(
                "INSERT INTO met (drill, target, lineage, at) VALUES (?, ?, ?, ?) ON CONFLICT DO NOTHING",
                [_plain([*target, lineage, at]) for lineage in lineages],
            )

    def remember_digest(self, path: str, stamp: str, digest: str) -> None:
        """Keep the digest of a file's bytes until its stamp is another one."""
        self._keep([(path, stamp, None, digest)])

    def remember_heads(self, heads: Sequence[tuple[str, str, str]]) -> None:
        """Keep what several files' heads say: path, stamp, head."""
        if heads:
            self._keep([(path, stamp, head, None) for path, stamp, head in heads])

    def _keep(self, rows: Sequence[tuple[str, str, str | None, str | None]]) -> None:
        with self._opened(write=True) as connection:
            connection.executemany(
                "INSERT INTO head (path, stamp, head, digest) VALUES (?, ?, ?, ?) ON CONFLICT (path) DO UPDATE SET "
                "head = CASE WHEN excluded.stamp = stamp THEN coalesce(excluded.head, head) ELSE excluded.head END, "
                "digest = CASE WHEN excluded.stamp = stamp THEN coalesce(excluded.digest, digest) "
                "ELSE excluded.digest END, stamp = excluded.stamp",
                [(_plain_text(path), *rest) for path, *rest in rows],
            )

    def remembered(self) -> dict[tuple[str, str], Remembered]:
        """All that is remembered of files, by path and stamp."""
        if not self.exists:
            return {}
        with self._opened() as connection:
            rows = connection.execute("SELECT path, stamp, head, digest FROM head").fetchall()
        return {(path, stamp): Remembered(head, digest) for path, stamp, head, digest in rows}

    @contextmanager
    def _opened(self, *, write: bool = False) -> Iterator[sqlite3.Connection]:
        connection = None
        try:
            if write:
                self.path.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
            connection = sqlite3.connect(self.path, timeout=PATIENCE_SECONDS, isolation_level=None)
            self._made(connection)
            if write:
                connection.execute("BEGIN IMMEDIATE")
            yield connection
            if write:
                connection.execute("COMMIT")
        except (sqlite3.DatabaseError, ValueError, TypeError, KeyError) as error:
            raise CannotCheck(f"{self.path}: the ledger can't be used: {error}", _ADVICE) from error
        except OSError as error:
            raise CannotCheck(f"{self.path}: the ledger can't be used: {error.strerror}", _ADVICE) from error
        finally:
            if connection is not None:
                connection.close()

    def _made(self, connection: sqlite3.Connection) -> None:
        """See to it that the tables are there. Raises UsageError for another program's file, or a newer version's."""
        connection.execute("PRAGMA synchronous = FULL")
        [version] = connection.execute("PRAGMA user_version").fetchone()
        if version == VERSION:
            return
        if version > VERSION:
            raise UsageError(f"{self.path}: is a ledger of version {version}, this program knows {VERSION}", _ADVICE)
        connection.execute("BEGIN IMMEDIATE")
        [again] = connection.execute("PRAGMA user_version").fetchone()
        if not again:  # another process may have made them meanwhile
            if connection.execute("SELECT count(*) FROM sqlite_schema").fetchone()[0]:
                raise UsageError(f"{self.path}: is a database, and no ledger", _ADVICE)
            self.path.chmod(0o600)
            for statement in _statements(_TABLES):
                connection.execute(statement)
        connection.execute("COMMIT")


def _statements(text: str) -> Iterator[str]:
    """The statements of a script, each by itself, as running them all at once would end the transaction."""
    part = ""
    for line in text.strip().splitlines():
        part += line + "\n"
        if sqlite3.complete_statement(part):
            yield part
            part = ""


def _plain_text(value: str) -> str:
    """Text that can be stored: names of files may hold bytes that are no characters."""
    return value.encode("utf-8", "backslashreplace").decode()


def _plain(values: list[Any]) -> list[Any]:
    return [_plain_text(value) if isinstance(value, str) else value for value in values]


def _proof(row: tuple[Any, ...]) -> Proof:
    """A row as a proof. Raises ValueError or TypeError for one that was changed from outside."""
    values = {
        name: json.loads(value) if name in _KEPT_AS_JSON else value for name, value in zip(_COLUMNS, row, strict=True)
    }
    values["evidence"] = tuple(Rung(rung).value for rung in values["evidence"])
    values["steps"] = tuple((str(name), float(seconds)) for name, seconds in values["steps"])
    values["findings"] = tuple((code, severity, message) for code, severity, message in values["findings"])
    proof = Proof(**values)
    if proof.when.tzinfo is None or proof.dated.tzinfo is None or not isinstance(proof.tables, dict):
        raise ValueError(f"proof of {proof.backup} has a time without a zone, or no tables")
    return proof

"""Backups built in code: scripts of all engines, whole or damaged in a known way."""

from __future__ import annotations

import bz2
import gzip
import lzma
import zlib
from collections.abc import Callable, Sequence

import lz4.frame
import zstandard

POSTGRESQL_HEAD = b"""--
-- PostgreSQL database dump
--

-- Dumped from database version 15.6
-- Dumped by pg_dump version 15.6

SET client_encoding = 'UTF8';
SET standard_conforming_strings = on;
SELECT pg_catalog.set_config('search_path', '', false);

"""
POSTGRESQL_END = b"""
--
-- PostgreSQL database dump complete
--

"""
MYSQL_HEAD = b"""-- MySQL dump 10.13  Distrib 8.0.36, for Linux (x86_64)
--
-- Host: localhost    Database: harbour
-- ------------------------------------------------------
-- Server version\t8.0.36

/*!40101 SET @OLD_CHARACTER_SET_CLIENT=@@CHARACTER_SET_CLIENT */;
/*!50503 SET NAMES utf8mb4 */;
/*!40101 SET @OLD_SQL_MODE=@@SQL_MODE, SQL_MODE='NO_AUTO_VALUE_ON_ZERO' */;
/*!40111 SET @OLD_SQL_NOTES=@@SQL_NOTES, SQL_NOTES=0 */;

"""
MYSQL_END = b"""/*!40101 SET SQL_MODE=@OLD_SQL_MODE */;
/*!40111 SET SQL_NOTES=@OLD_SQL_NOTES */;

-- Dump completed on 2026-11-22  3:04:05
"""
PACKERS: dict[str, Callable[[bytes], bytes]] = {
    "plain": lambda data: data,
    "gzip": lambda data: gzip.compress(data, mtime=0),
    "gzip-members": lambda data: gzip.compress(data[: len(data) // 2]) + gzip.compress(data[len(data) // 2 :]),
    "bzip2": bz2.compress,
    "xz": lzma.compress,
    "zstandard": lambda data: zstandard.ZstdCompressor(write_checksum=True).compress(data),
    "zstandard-frames": lambda data: b"".join(
        zstandard.ZstdCompressor(write_checksum=True).compress(part)
        for part in (data[: len(data) // 3], data[len(data) // 3 :])
    ),
}


def postgresql(body: bytes) -> bytes:
    """A whole PostgreSQL script around some statements."""
    return POSTGRESQL_HEAD + body + POSTGRESQL_END


def mysql(body: bytes) -> bytes:
    """A whole MySQL script around some statements."""
    return MYSQL_HEAD + body + MYSQL_END


def copy_table(name: str, columns: Sequence[tuple[str, str]], rows: Sequence[Sequence[str]], key: str = "") -> bytes:
    """A table of a PostgreSQL script, with its rows as COPY text and a primary key behind them."""
    defined = ",\n    ".join(f"{column} {kind}" for column, kind in columns)
    listed = ", ".join(column for column, _ in columns)
    lines = "".join("\t".join(row) + "\n" for row in rows)
    text = f"CREATE TABLE {name} (\n    {defined}\n);\n\n\nCOPY {name} ({listed}) FROM stdin;\n{lines}\\.\n\n\n"
    if key:
        constraint = name.rsplit(".", maxsplit=1)[-1] + "_pkey"
        text += f"ALTER TABLE ONLY {name}\n    ADD CONSTRAINT {constraint} PRIMARY KEY ({key});\n\n\n"
    return text.encode()


def numbers(name: str, count: int, key: str = "x") -> bytes:
    """A table of PostgreSQL with as many rows, numbered from 0."""
    rows = [[str(row), f"{row % 97} notes on the tide at the pier, taken by hand"] for row in range(count)]
    return copy_table(name, [("x", "integer NOT NULL"), ("y", "text")], rows, key)


def tides(rows: Sequence[Sequence[str]] | None = None) -> bytes:
    """A small sound script with one table, 40 rows unless others are given."""
    if rows is None:
        rows = [[str(n), f"2026-01-{1 + n % 28:02} 00:00:00+00", f"{n}.50", f"gauge {n}"] for n in range(1, 41)]
    columns = [
        ("id", "integer NOT NULL"),
        ("taken_at", "timestamp with time zone"),
        ("height", "numeric"),
        ("note", "text"),
    ]
    return postgresql(copy_table("public.tide", columns, rows, "id"))


def archive_integer(value: int) -> bytes:
    """A number as archives write it."""
    return bytes([value < 0]) + abs(value).to_bytes(4, "little")


def archive_text(text: str | None) -> bytes:
    """A text as archives write it."""
    return archive_integer(-1) if text is None else archive_integer(len(text.encode())) + text.encode()


def archive_entry(number: int, kind: str, tag: str, version: int, **more: str) -> bytes:
    """One entry of a table of contents, version 1.`version`, its data not placed."""
    section = {"TABLE DATA": 3, "CONSTRAINT": 4}.get(kind, 2)
    parts = [
        archive_integer(number),
        archive_integer(kind == "TABLE DATA"),
        archive_text("1259"),
        archive_text("16400"),
    ]
    parts += [archive_text(tag), archive_text(kind), archive_integer(section)]
    parts += [archive_text(more.get(name, "")) for name in ("definition", "drop", "copy")]
    parts += [archive_text(more.get("schema", "public")), archive_text("")]
    parts += [archive_text("heap")] if version >= 14 else []
    parts += [archive_integer(114)] if version >= 16 else []
    parts += [archive_text("warden"), archive_text("false")]
    parts += [archive_text(other) for other in more.get("depends_on", "").split()] + [archive_text(None)]
    return b"".join([*parts, b"\x01" if kind == "TABLE DATA" else b"\x03", bytes(8)])


def archive(version: int, compression: str | None, rows: bytes = b"1\tSkarholm\n2\tInnsund\n") -> bytes:
    """A single-file archive of one table with its primary key, as a server would write it into a pipe."""
    number = {None: 0, "gzip": 1, "lz4": 2, "zstandard": 3}[compression]
    packed = archive_integer(-1 if number else 0) if version < 15 else bytes([number])
    created = b"".join(map(archive_integer, (5, 4, 3, 22, 10, 126, 0)))
    names = archive_text("rescue") + archive_text("16.2") + archive_text("16.2")
    head = b"PGDMP" + bytes([1, version, 0, 4, 8, 1]) + packed + created + names
    table = "CREATE TABLE public.station (\n    id integer NOT NULL,\n    name text\n);\n"
    key = "ALTER TABLE ONLY public.station\n    ADD CONSTRAINT station_pkey PRIMARY KEY (id);\n"
    copy = "COPY public.station (id, name) FROM stdin;\n"
    entries = [
        archive_entry(1, "ENCODING", "ENCODING", version, definition="SET client_encoding = 'UTF8';\n"),
        archive_entry(2, "TABLE", "station", version, definition=table, drop="DROP TABLE public.station;\n"),
        archive_entry(3, "TABLE DATA", "station", version, copy=copy, depends_on="2"),
        archive_entry(4, "CONSTRAINT", "station station_pkey", version, definition=key, depends_on="2"),
    ]
    text = rows + b"\\.\n\n\n"
    pack: dict[str | None, Callable[[bytes], bytes]] = {
        None: lambda data: data, "gzip": zlib.compress, "lz4": lz4.frame.compress,
        "zstandard": zstandard.ZstdCompressor(write_checksum=True).compress,
    }  # fmt: skip
    stored = pack[compression](text)
    blocks = [stored[start : start + 7] for start in range(0, len(stored), 7)]
    data = b"".join(archive_integer(len(block)) + block for block in blocks)
    return (
        head
        + archive_integer(len(entries))
        + b"".join(entries)
        + b"\x01"
        + archive_integer(3)
        + data
        + archive_integer(0)
    )

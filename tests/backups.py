"""Backups built in code: scripts of all engines, whole or damaged in a known way."""

from __future__ import annotations

import bz2
import gzip
import lzma
from collections.abc import Callable, Sequence

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

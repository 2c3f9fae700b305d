"""Sospes: checks that database backups are intact and restorable."""

__version__ = "0.1.0"

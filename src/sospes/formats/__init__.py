"""Readers: one package for each form of backup, all giving a header and a stream of events."""

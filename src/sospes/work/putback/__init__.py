"""Putting tables that are gone back into a live database."""

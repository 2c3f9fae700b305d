"""Checks of values against the types of their columns, whole columns at once."""

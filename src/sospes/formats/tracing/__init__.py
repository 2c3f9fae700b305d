"""Tells from a change log what was done: which rows of which tables, and what was made, changed and dropped."""

"""Rows in SQL text: sections of COPY, and INSERT statements."""

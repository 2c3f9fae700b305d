"""Retraces what was done, when, and by which transaction, from change logs."""

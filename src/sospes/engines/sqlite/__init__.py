"""SQLite in words."""

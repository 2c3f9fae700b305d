"""SQLite database files, read through the engine, never changed in place."""

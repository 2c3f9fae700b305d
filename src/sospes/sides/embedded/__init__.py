"""The embedded side copy: one SQLite file for each database, no server needed."""

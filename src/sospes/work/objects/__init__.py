"""Objects of a database besides rows: as defined, and where two sides differ."""

"""PostgreSQL archives with a table of contents: a single file, a directory, or a tar."""

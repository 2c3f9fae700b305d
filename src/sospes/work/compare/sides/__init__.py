"""What can stand on a side of a comparison: backups, live databases, kept copies, files of rows."""
